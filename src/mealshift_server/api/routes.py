"""The API. Handlers are a few lines: they scope by household, call one action, and answer."""

from __future__ import annotations

from dataclasses import asdict
from functools import cache
from typing import Any, cast

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.db.models import Count, QuerySet
from django.http import Http404, HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from django.shortcuts import get_object_or_404
from django.utils import timezone
from ninja import NinjaAPI, Status
from ninja.errors import HttpError
from ninja.security import HttpBearer, django_auth
from ninja.utils import check_csrf

from mealshift import ENGINE_VERSION, pipeline, writing
from mealshift.planning import Dinner
from mealshift.planning.schedule import report as plan_report
from mealshift.problems import Refusal
from mealshift_server.households import actions as households
from mealshift_server.households.keys import digest
from mealshift_server.households.models import User
from mealshift_server.kitchen import actions as kitchens
from mealshift_server.kitchen.models import Device, Kitchen, Pot
from mealshift_server.plans import actions as plans
from mealshift_server.plans.models import Cooking
from mealshift_server.recipes import actions
from mealshift_server.recipes.models import Recipe, Shift

from . import demo, errors, members, notebook, week
from . import schemas as s
from .body import StrictParser
from .scope import BAD, MISSING, house

api = NinjaAPI(
    title="Meal Shift", version="1", docs_url=None, openapi_url=None, auth=django_auth, parser=StrictParser()
)
errors.install(api)
api.add_router("", notebook.router)
api.add_router("", members.router)
api.add_router("", week.router)


def _guard(request: HttpRequest) -> None:
    """CSRF for the doors that need no session yet."""
    if check_csrf(request):
        raise HttpError(403, "The page was open too long: reload it and try again.")


# -- accounts ----------------------------------------------------------------------------------------------


def _session(request: HttpRequest) -> dict[str, Any]:
    get_token(request)
    user = request.user
    if not user.is_authenticated:
        return {
            "signed_in": False,
            "name": "",
            "household": "",
            "measure_name": "glass",
            "measure_ml": 240.0,
            "cup_ml": 237.0,
            "demo": demo.may_open(request),
        }
    h = house(request)
    return {"signed_in": True, "name": user.get_username(), "household": h.name, "measure_name": h.measure_name,
            "measure_ml": h.measure_ml, "cup_ml": h.cup_ml, "demo": demo.may_open(request)}  # fmt: skip


@api.get("/session", response=s.SessionOut, auth=None, tags=["session"])
def session(request: HttpRequest) -> Any:
    return _session(request)


@api.post("/session", response={200: s.SessionOut, 403: s.Trouble, 429: s.Trouble, **BAD}, auth=None, tags=["session"])
def sign_in(request: HttpRequest, data: s.SignIn) -> Any:
    _guard(request)
    user = authenticate(request, username=data.name.strip(), password=data.password)
    if user is None:
        raise Refusal("sign_in", "password", "That name and password do not fit together: check both and try again.")
    login(request, user)
    request.session.pop("left_demo", None)
    return _session(request)


@api.delete("/session", response={200: s.SessionOut, 403: s.Trouble}, auth=None, tags=["session"])
def sign_out(request: HttpRequest) -> Any:
    _guard(request)
    logout(request)
    request.session["left_demo"] = True
    return _session(request)


@api.post("/households", response={201: s.SessionOut, 403: s.Trouble, **BAD}, auth=None, tags=["session"])
def sign_up(request: HttpRequest, data: s.SignUp) -> Any:
    _guard(request)
    user = households.found_household(data.household, data.name, data.password, data.zone)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return Status(201, _session(request))


@api.put("/household/measure", response={200: s.SessionOut, **BAD}, tags=["session"])
def set_measure(request: HttpRequest, data: s.MeasureIn) -> Any:
    households.set_measure(house(request), data.measure_name, data.measure_ml, data.cup_ml)
    return _session(request)


# -- the engine, nothing kept -------------------------------------------------------------------------------


@cache
def _grains() -> list[dict[str, Any]]:
    return [{**g, "soaks": g["soak"] is not None} for g in pipeline.grains_report()["grains"]]


@api.get("/grains", response={200: list[s.GrainOut], 401: s.Trouble}, tags=["engine"])
def grains(request: HttpRequest) -> Any:
    return _grains()


@cache
def examples_on_disk() -> list[dict[str, str]]:
    """The demo recipes that ship with the program, each in the shape a cook might bring."""
    shapes = {".txt": "a typed text", ".md": "Markdown", ".json": "a recipe file (JSON-LD)"}
    out = []
    for file in sorted((settings.BASE_DIR / "demo" / "recipes").glob("*.*")):
        text = file.read_text(encoding="utf-8")
        out.append(
            {
                "slug": file.stem,
                "title": pipeline.read(text).title.capitalize(),
                "text": text,
                "shape": shapes.get(file.suffix, "a text"),
            }
        )
    return out


@api.get("/examples", response={200: list[s.Example], 401: s.Trouble}, tags=["engine"])
def examples(request: HttpRequest) -> Any:
    return examples_on_disk()


@api.get("/empty", response={204: None, 401: s.Trouble}, tags=["engine"])
def empty(request: HttpRequest) -> Any:
    """Signed in and nothing done: what the benchmark subtracts."""
    house(request)
    return Status(204, None)


@api.post("/read", response={200: s.ReadOut, **BAD}, by_alias=True, tags=["engine"])
def read(request: HttpRequest, data: s.ReadIn) -> Any:
    return actions.read_text(house(request), data.text, [c.model_dump() for c in data.corrections])


@api.post("/shift", response={200: s.ShiftOut, **BAD}, by_alias=True, tags=["engine"])
def shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    return actions.shift_text(
        house(request), data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )


@api.post("/compare", response={200: s.CompareOut, **BAD}, tags=["engine"])
def compare(request: HttpRequest, data: s.CompareIn) -> Any:
    corrections = [c.model_dump() for c in data.corrections]
    return actions.compare_text(
        house(request), data.text, corrections, data.model_dump(exclude={"text", "corrections"})
    )


@api.post("/what-if", response={200: s.WhatIfOut, **BAD}, tags=["engine"])
def what_if(request: HttpRequest, data: s.WhatIfIn) -> Any:
    changed = {"pour_ml": data.pour_ml, "minutes": data.minutes, "lid": data.lid, "start": data.start}
    return actions.what_if(
        house(request), data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump(), changed
    )


@api.get("/grains/{slug}", response={200: s.GrainPage, **BAD}, tags=["engine"])
def grain_page(request: HttpRequest, slug: str) -> Any:
    return actions.grain_page(house(request), slug)


@api.post("/grains/{slug}/other-way", response={200: s.LadderPot, **BAD}, tags=["engine"])
def other_way(request: HttpRequest, slug: str, data: s.OtherWayIn) -> Any:
    return actions.other_way(house(request), slug, data.model_dump())


# -- kept recipes --------------------------------------------------------------------------------------------


def _recipes(request: HttpRequest) -> QuerySet[Recipe]:
    return Recipe.objects.filter(household=house(request))


def _shifts(request: HttpRequest) -> QuerySet[Shift]:
    return Shift.objects.filter(household=house(request))


@api.get("/recipes", response={200: list[s.RecipeRow], 401: s.Trouble}, tags=["kept"])
def recipes(request: HttpRequest) -> Any:
    rows = _recipes(request).annotate(n=Count("shifts")).order_by("-updated", "-id")[:500]
    return [{"id": r.pk, "title": r.title, "version": r.version, "updated": r.updated, "shifts": r.n} for r in rows]


@api.post("/recipes", response={201: s.RecipeOut, **BAD}, tags=["kept"])
def keep_recipe(request: HttpRequest, data: s.RecipeIn) -> Any:
    return Status(201, actions.keep_recipe(house(request), data.text, [c.model_dump() for c in data.corrections]))


@api.get("/recipes/{int:recipe_id}", response={200: s.RecipeOut, **MISSING}, tags=["kept"])
def recipe(request: HttpRequest, recipe_id: int) -> Any:
    return get_object_or_404(_recipes(request), pk=recipe_id)


@api.put("/recipes/{int:recipe_id}", response={200: s.RecipeOut, 409: s.Trouble, **MISSING}, tags=["kept"])
def change_recipe(request: HttpRequest, recipe_id: int, data: s.RecipeChange) -> Any:
    found = get_object_or_404(_recipes(request), pk=recipe_id)
    return actions.change_recipe(found, data.version, data.text, [c.model_dump() for c in data.corrections])


@api.delete("/recipes/{int:recipe_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_recipe(request: HttpRequest, recipe_id: int) -> Any:
    get_object_or_404(_recipes(request), pk=recipe_id).delete()
    return Status(204, None)


# -- kept shifts ---------------------------------------------------------------------------------------------


@api.get("/shifts", response={200: list[s.ShiftRow], 401: s.Trouble}, tags=["kept"])
def shifts(request: HttpRequest) -> Any:
    rows = _shifts(request).only("id", "title", "grain", "recipe_id", "created", "result")[:500]
    return [_row(k) for k in rows]


def _row(kept: Shift) -> dict[str, Any]:
    pots = kept.result["pots"]
    pot = pots[0]
    return {"name": " and ".join(p["name"] for p in pots), "id": kept.pk, "title": kept.title, "grain": kept.grain, "recipe_id": kept.recipe_id, "created": kept.created,
            "pour_ml": pot["water"].get("jug_ml", pot["water"]["pour_ml"]), "cook_min": pot["time"]["cook"]["typical"],
            "total_min": sum(p["min"] for p in kept.result["strip"])}  # fmt: skip


def _kept(kept: Shift) -> dict[str, Any]:
    return {"id": kept.pk, "title": kept.title, "grain": kept.grain, "recipe_id": kept.recipe_id, "created": kept.created,
            "engine": kept.engine, "engine_now": ENGINE_VERSION, "text": kept.text, "corrections": kept.corrections,
            "choice": kept.choice, "result": kept.result}  # fmt: skip


@api.post("/shifts", response={201: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def keep_shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    mine = get_object_or_404(_recipes(request), pk=data.recipe_id) if data.recipe_id is not None else None
    kept = actions.keep_shift(
        house(request), mine, data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )
    return Status(201, _kept(kept))


@api.get("/shifts/{int:shift_id}", response={200: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def kept_shift(request: HttpRequest, shift_id: int) -> Any:
    return _kept(get_object_or_404(_shifts(request), pk=shift_id))


@api.delete("/shifts/{int:shift_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_shift(request: HttpRequest, shift_id: int) -> Any:
    get_object_or_404(_shifts(request), pk=shift_id).delete()
    return Status(204, None)


@api.get("/shifts/{int:shift_id}/recipe.json", response={200: dict, **MISSING}, tags=["out"])
def shift_jsonld(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "json")


@api.get("/shifts/{int:shift_id}/recipe.md", response={200: str, **MISSING}, tags=["out"])
def shift_markdown(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "md")


@api.get("/shifts/{int:shift_id}/recipe.txt", response={200: str, **MISSING}, tags=["out"])
def shift_text(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "txt")


@api.get("/shifts/{int:shift_id}/ledger.csv", response={200: str, **MISSING}, tags=["out"])
def shift_ledger(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "csv")


@api.get("/shifts/{int:shift_id}/print", response={200: str, **MISSING}, tags=["out"])
def shift_page(request: HttpRequest, shift_id: int) -> Any:
    kept = get_object_or_404(_shifts(request), pk=shift_id)
    answer = HttpResponse(writing.to_page(kept.result))
    answer._csp_update = {"style-src": [f"'sha256-{writing.STYLE_SHA256}'"]}  # type: ignore[attr-defined]
    return answer


def _file(kept: Shift, kind: str) -> HttpResponse:
    body, mime = {
        "json": (writing.to_jsonld, "application/ld+json"),
        "md": (writing.to_markdown, "text/markdown; charset=utf-8"),
        "txt": (writing.to_text, "text/plain; charset=utf-8"),
        "csv": (writing.to_csv, "text/csv; charset=utf-8"),
    }[kind]
    name = (
        "".join(c if c.isascii() and (c.isalnum() or c in "-") else "-" for c in kept.title.lower()).strip("-")
        or "recipe"
    )
    return HttpResponse(
        body(kept.result),
        content_type=mime,
        headers={"Content-Disposition": f'attachment; filename="{name[:80]}.{kind}"'},
    )


# -- the kitchen ---------------------------------------------------------------------------------------------


def _pots(request: HttpRequest) -> QuerySet[Pot]:
    return Pot.objects.filter(household=house(request))


def _kitchen(request: HttpRequest) -> dict[str, Any]:
    h = house(request)
    row = kitchens.kitchen_row(h)
    shown = row or Kitchen(burners=[1200.0, 1200.0])
    return {
        "said": row is not None, "burners": shown.burners, "time_zone": h.time_zone, "pots": list(_pots(request)),
        "devices": list(Device.objects.filter(household=h)), **{f: getattr(shown, f) for f in kitchens.FIELDS},
    }  # fmt: skip


@api.get("/kitchen", response={200: s.KitchenOut, 401: s.Trouble}, tags=["kitchen"])
def kitchen(request: HttpRequest) -> Any:
    return _kitchen(request)


@api.put("/kitchen", response={200: s.KitchenOut, **BAD}, tags=["kitchen"])
def set_kitchen(request: HttpRequest, data: s.KitchenIn) -> Any:
    kitchens.set_kitchen(house(request), data.model_dump())
    return _kitchen(request)


@api.post("/kitchen/pots", response={201: s.PotRow, **BAD}, tags=["kitchen"])
def add_pot(request: HttpRequest, data: s.PotIn) -> Any:
    return Status(201, kitchens.add_pot(house(request), data.model_dump()))


@api.put("/kitchen/pots/{int:pot_id}", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def change_pot(request: HttpRequest, pot_id: int, data: s.PotIn) -> Any:
    return kitchens.change_pot(get_object_or_404(_pots(request), pk=pot_id), data.model_dump())


@api.delete("/kitchen/pots/{int:pot_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_pot(request: HttpRequest, pot_id: int) -> Any:
    get_object_or_404(_pots(request), pk=pot_id).delete()
    return Status(204, None)


@api.post("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.BoilOffOut, **MISSING}, tags=["kitchen"])
def boil_off(request: HttpRequest, pot_id: int, data: s.BoilOffIn) -> Any:
    pot = get_object_or_404(_pots(request), pk=pot_id)
    found = kitchens.test_boil_off(pot, data.before_ml, data.after_ml, data.minutes, data.lid, data.keep)
    return {**asdict(found), "problems": [p.as_dict() for p in found.problems], "pot": pot}


@api.delete("/kitchen/pots/{int:pot_id}/boil-off", response={200: s.PotRow, **MISSING}, tags=["kitchen"])
def forget_boil_off(request: HttpRequest, pot_id: int) -> Any:
    return kitchens.forget_test(get_object_or_404(_pots(request), pk=pot_id))


@api.post("/kitchen/devices", response={201: s.DeviceMade, **BAD}, tags=["kitchen"])
def add_device(request: HttpRequest, data: s.DeviceIn) -> Any:
    device, key = kitchens.add_device(house(request), data.name, data.kind)
    return Status(201, {"id": device.pk, "name": device.name, "kind": device.kind, "key": key})


@api.delete("/kitchen/devices/{int:device_id}", response={204: None, **MISSING}, tags=["kitchen"])
def drop_device(request: HttpRequest, device_id: int) -> Any:
    get_object_or_404(Device.objects.filter(household=house(request)), pk=device_id).delete()
    return Status(204, None)


# -- the plan ------------------------------------------------------------------------------------------------


def _kept_dishes(request: HttpRequest, data: s.PlanIn) -> tuple[list[Shift], dict[str, Any]]:
    """The shifts named, in that order, and what else was asked as plain data."""
    ids = list(dict.fromkeys(d.shift_id for d in data.dishes))
    mine = {k.pk: k for k in _shifts(request).filter(pk__in=ids)}
    if len(mine) < len(ids):
        raise Http404
    changes = {d.shift_id: d.changes.model_dump(exclude_unset=True) for d in data.dishes if d.changes}
    return [mine[i] for i in ids], {**data.model_dump(exclude={"dishes"}), "changes": changes}


def _plan(request: HttpRequest, data: s.PlanIn) -> Dinner:
    kept, asked = _kept_dishes(request, data)
    return plans.plan(house(request), kept, asked)


@api.post("/plan", response={200: s.PlanOut, **MISSING}, tags=["plan"], exclude_unset=True)
def plan(request: HttpRequest, data: s.PlanIn) -> Any:
    dinner = _plan(request, data)
    row = kitchens.kitchen_row(house(request))
    made = plan_report(dinner.plan)
    ways = [{"dish": dish, "shift_id": int(w.key), "kind": w.kind, "text": w.text, "serve_at": w.serve_at, "changes": w.changes}
            for dish, found in dinner.ways_out.items() for w in found]  # fmt: skip
    tasks = [{**t, "shift_id": int(dinner.keys[t["dish"]])} for t in made["tasks"]]
    burners = data.burners or (len(row.burners) if row and row.burners else 2)
    return {**made, "tasks": tasks, "ways": ways, "burners": burners}


@api.post("/plan.ics", response={200: str, **MISSING}, tags=["plan"])
def plan_calendar(request: HttpRequest, data: s.PlanIn) -> Any:
    made = writing.to_ics(_plan(request, data).plan, timezone.now())
    return HttpResponse(
        made,
        content_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="dinner.ics"'},
    )


# -- cooking -------------------------------------------------------------------------------------------------


def _cookings(request: HttpRequest) -> QuerySet[Cooking]:
    return Cooking.objects.filter(household=house(request)).select_related("household")


def _cooking(request: HttpRequest, cooking_id: int) -> Cooking:
    return get_object_or_404(_cookings(request), pk=cooking_id)


@api.get("/cookings", response={200: list[s.CookingRow], 401: s.Trouble}, tags=["stove"])
def cookings(request: HttpRequest) -> Any:
    return list(_cookings(request)[:50])


@api.post("/cookings", response={200: s.CookingRow, 201: s.CookingRow, **MISSING}, tags=["stove"])
def start_cooking(request: HttpRequest, data: s.CookingIn) -> Any:
    kept, asked = _kept_dishes(request, data)
    user = cast(User, request.user)
    made, new = plans.start_cooking(house(request), user, data.client_id, kept, asked, data.speed)
    return Status(201 if new else 200, made)


@api.get("/cookings/{int:cooking_id}", response={200: s.CookingOut, **MISSING}, tags=["stove"])
def cooking(request: HttpRequest, cooking_id: int, since: int | None = None) -> Any:
    return plans.state(_cooking(request, cooking_id), since)


@api.post("/cookings/{int:cooking_id}/events", response={200: s.Appended, **MISSING}, tags=["stove"])
def append_events(request: HttpRequest, cooking_id: int, data: s.EventsIn) -> Any:
    made = [e.model_dump() for e in data.events]
    taken = plans.append(_cooking(request, cooking_id), cast(User, request.user), made)
    refused = [{"id": i, "code": p.code, "where": p.where, "text": p.text} for i, p in taken.refused]
    return {"new": taken.new, "refused": refused}


@api.put("/cookings/{int:cooking_id}/alone", response={200: s.CookingRow, **MISSING}, tags=["stove"])
def set_alone(request: HttpRequest, cooking_id: int, data: s.AloneIn) -> Any:
    return plans.set_alone(_cooking(request, cooking_id), data.alone)


@api.post("/cookings/{int:cooking_id}/wrong", response={200: s.WrongOut, **MISSING}, tags=["stove"])
def went_wrong(request: HttpRequest, cooking_id: int, data: s.WrongIn) -> Any:
    return asdict(plans.wrong(_cooking(request, cooking_id), cast(User, request.user), data.id, data.pot, data.what))


@api.post("/cookings/{int:cooking_id}/stand-in", response={200: s.Appended, **MISSING}, tags=["stove"])
def stand_in(request: HttpRequest, cooking_id: int, data: s.StandInIn) -> Any:
    """The simulated device reads the pot once."""
    mine = _cooking(request, cooking_id)
    pot, value = plans.stand_in_reading(mine, data.pot, data.kind)
    plans.take_reading(mine, cast(User, request.user), data.id, pot, data.kind, value)
    return {"new": 1}


# -- devices: no session, a key of their own (docs/devices.md) ---------------------------------------------------


class DeviceKey(HttpBearer):
    def authenticate(self, request: HttpRequest, token: str) -> Device | None:
        return Device.objects.select_related("household").filter(key_digest=digest(token)).first()


def _on_now(device: Device) -> Cooking:
    running = Cooking.objects.filter(household=device.household, ended=None).select_related("household").first()
    if running is None:
        raise Http404
    return running


@api.get("/device/cooking", response={200: s.DeviceCooking, **MISSING}, auth=DeviceKey(), tags=["devices"])
def device_cooking(request: HttpRequest) -> Any:
    device = cast(Any, request).auth
    running = _on_now(device)
    rows = []
    for key, pot in plans.script_of(running).pots.items():
        try:
            value = plans.stand_in_reading(running, key, device.kind)[1]
        except Refusal:
            continue
        rows.append({"pot": key, "name": pot.grain.name, "simulated": value})
    return {"title": running.title, "speed": running.speed, "pots": rows}


@api.post("/device/readings", response={200: s.Appended, **MISSING}, auth=DeviceKey(), tags=["devices"])
def device_reading(request: HttpRequest, data: s.ReadingIn) -> Any:
    device = cast(Any, request).auth
    plans.take_reading(_on_now(device), None, data.id, data.pot, device.kind, data.value)
    return {"new": 1}
