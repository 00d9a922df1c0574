"""The doors of the plan, of the stove, and of devices beside the pot."""

from __future__ import annotations

from typing import Any, cast

from django.db.models import QuerySet
from django.http import Http404, HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router, Status
from ninja.security import HttpBearer

from mealshift import writing
from mealshift.planning import Dinner
from mealshift.results import DishTonight
from mealshift_server.base.answers import MISSING, a_file
from mealshift_server.base.keys import digest
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.models import User
from mealshift_server.households.scope import house, one
from mealshift_server.kitchen.models import Device
from mealshift_server.recipes.models import Recipe, Shift

from . import actions, queries
from . import schemas as s
from .models import Cooking

router = Router(tags=["plan"])


def _kept_dishes(request: HttpRequest, data: s.PlanIn) -> tuple[list[Shift | Recipe], dict[str, Any]]:
    """The dishes named, in that order, and what else was asked as plain data."""
    keys = list(dict.fromkeys(d.key for d in data.dishes))
    mine = queries.dishes_by_key(house(request), keys)
    if len(mine) < len(keys):
        raise Http404
    changes = {d.key: d.changes.model_dump(exclude_unset=True) for d in data.dishes if d.changes}
    return [mine[k] for k in keys], {**data.model_dump(exclude={"dishes"}), "changes": changes}


def _plan(request: HttpRequest, data: s.PlanIn) -> Dinner:
    kept, asked = _kept_dishes(request, data)
    return queries.plan(house(request), kept, asked)


@router.post("/plan", response={200: s.PlanOut, **MISSING}, tags=["plan"], exclude_unset=True)
def plan(request: HttpRequest, data: s.PlanIn) -> Any:
    return queries.plan_shown(house(request), _plan(request, data), data.burners)


@router.post(
    "/plan.ics", response=MISSING, openapi_extra=a_file("text/calendar", "The plan as a calendar"), tags=["plan"]
)
def plan_calendar(request: HttpRequest, data: s.PlanIn) -> Any:
    made = writing.to_ics(_plan(request, data).plan, timezone.now())
    return HttpResponse(
        made,
        content_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="dinner.ics"'},
    )


@router.get("/tonight", response={200: s.TonightOutNow, 401: Trouble}, tags=["plan"], exclude_unset=True)
def tonight(request: HttpRequest) -> Any:
    return queries.tonight(house(request))


@router.put("/tonight", response={200: s.TonightOutNow, 409: Trouble, **MISSING}, tags=["plan"], exclude_unset=True)
def plan_tonight(request: HttpRequest, data: s.TonightIn) -> Any:
    plan = data.plan.model_dump(mode="json", exclude_unset=True)
    return actions.plan_tonight(house(request), cast(User, request.user), data.version, plan, data.plan.serve_at)


def _cookings(request: HttpRequest) -> QuerySet[Cooking]:
    return Cooking.objects.filter(household=house(request)).select_related("household")


def _cooking(request: HttpRequest, cooking_id: int) -> Cooking:
    return one(_cookings(request), house(request), "cooking", cooking_id)


@router.get("/cookings", response={200: list[s.CookingRow], 401: Trouble}, tags=["stove"])
def cookings(request: HttpRequest) -> Any:
    return list(_cookings(request)[:50])


@router.post("/cookings", response={200: s.CookingRow, 201: s.CookingRow, **MISSING}, tags=["stove"])
def start_cooking(request: HttpRequest, data: s.CookingIn) -> Any:
    kept, asked = _kept_dishes(request, data)
    user = cast(User, request.user)
    made, new = actions.start_cooking(house(request), user, data.client_id, kept, asked, data.speed)
    return Status(201 if new else 200, made)


@router.get("/cookings/{int:cooking_id}", response={200: s.CookingOut, **MISSING}, tags=["stove"])
def cooking(request: HttpRequest, cooking_id: int, since: int | None = None) -> Any:
    mine = _cooking(request, cooking_id)
    actions.run_alone(mine)
    return queries.state(mine, since)


@router.get("/cookings/{int:cooking_id}/recipes", response={200: list[DishTonight], **MISSING}, tags=["stove"])
def recipes_tonight(request: HttpRequest, cooking_id: int) -> Any:
    """Every dish whole, with tonight's amounts: for a glance from the stove."""
    return queries.recipes_of(_cooking(request, cooking_id))


@router.post("/cookings/{int:cooking_id}/events", response={200: s.Appended, **MISSING}, tags=["stove"])
def append_events(request: HttpRequest, cooking_id: int, data: s.EventsIn) -> Any:
    made = [e.model_dump() for e in data.events]
    taken = actions.append(_cooking(request, cooking_id), cast(User, request.user), made)
    refused = [{"id": i, "code": p.code, "where": p.where, "text": p.text} for i, p in taken.refused]
    return {"new": taken.new, "refused": refused}


@router.put("/cookings/{int:cooking_id}/alone", response={200: s.CookingRow, **MISSING}, tags=["stove"])
def set_alone(request: HttpRequest, cooking_id: int, data: s.AloneIn) -> Any:
    return actions.set_alone(_cooking(request, cooking_id), data.alone)


@router.post("/cookings/{int:cooking_id}/stand-in", response={200: s.Appended, **MISSING}, tags=["stove"])
def stand_in(request: HttpRequest, cooking_id: int, data: s.StandInIn) -> Any:
    """The simulated device reads the pot once."""
    mine = _cooking(request, cooking_id)
    pot, value = queries.stand_in_reading(mine, data.pot, data.kind)
    actions.take_reading(mine, cast(User, request.user), data.id, pot, data.kind, value)
    return {"new": 1}


class DeviceKey(HttpBearer):
    def authenticate(self, request: HttpRequest, token: str) -> Device | None:
        return Device.objects.select_related("household").filter(key_digest=digest(token)).first()


def _on_now(device: Device) -> Cooking:
    running = queries.running(device.household)
    if running is None:
        raise Http404
    return running


@router.get("/device/cooking", response={200: s.DeviceCooking, **MISSING}, auth=DeviceKey(), tags=["devices"])
def device_cooking(request: HttpRequest) -> Any:
    device = cast(Any, request).auth
    return queries.device_shown(_on_now(device), device.kind)


@router.post("/device/readings", response={200: s.Appended, **MISSING}, auth=DeviceKey(), tags=["devices"])
def device_reading(request: HttpRequest, data: s.ReadingIn) -> Any:
    device = cast(Any, request).auth
    actions.take_reading(_on_now(device), None, data.id, data.pot, device.kind, data.value)
    return {"new": 1}
