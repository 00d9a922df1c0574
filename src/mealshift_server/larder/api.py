"""The larder's doors: bags, and what is left over."""

from __future__ import annotations

from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from django.utils import timezone
from ninja import Router, Status

from mealshift_server.base.answers import BAD, MISSING
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.scope import house

from . import actions, queries
from . import schemas as s
from .models import Bag, Left

router = Router(tags=["larder"])


def _bags(request: HttpRequest) -> QuerySet[Bag]:
    return Bag.objects.filter(household=house(request))


@router.get("/larder", response={200: list[s.BagRow], 401: Trouble}, tags=["larder"])
def bags(request: HttpRequest) -> Any:
    return [queries.shown(b) for b in _bags(request)]


@router.post("/larder", response={201: s.BagRow, **BAD}, tags=["larder"])
def add_bag(request: HttpRequest, data: s.BagIn) -> Any:
    return Status(201, queries.shown(actions.add(house(request), data.line)))


@router.put("/larder/{int:bag_id}", response={200: s.BagRow, **MISSING}, tags=["larder"])
def change_bag(request: HttpRequest, bag_id: int, data: s.BagChange) -> Any:
    given = {
        k: v for k, v in data.model_dump(exclude_unset=True).items() if v is not None or k not in ("grams", "kind")
    }
    return queries.shown(actions.change(get_object_or_404(_bags(request), pk=bag_id), given))


@router.delete("/larder/{int:bag_id}", response={204: None, **MISSING}, tags=["larder"])
def drop_bag(request: HttpRequest, bag_id: int) -> Any:
    get_object_or_404(_bags(request), pk=bag_id).delete()
    return Status(204, None)


@router.get("/left", response={200: s.LeftOut, 401: Trouble}, tags=["larder"])
def left(request: HttpRequest, zone: str | None = None) -> Any:
    return queries.left_over(house(request), zone)


@router.post("/left", response={201: s.LeftOut, **BAD}, tags=["larder"])
def leave(request: HttpRequest, data: s.LeftIn, zone: str | None = None) -> Any:
    actions.leave(house(request), data.name, data.grain, data.portions, data.served or timezone.now())
    return Status(201, queries.left_over(house(request), zone))


@router.put("/left/{int:left_id}", response={200: s.LeftOut, **MISSING}, tags=["larder"])
def move_left(request: HttpRequest, left_id: int, data: s.LeftMove, zone: str | None = None) -> Any:
    actions.move(get_object_or_404(Left, household=house(request), pk=left_id), data.place, data.portions)
    return queries.left_over(house(request), zone)


@router.post("/left/{int:left_id}/warm", response={200: s.WarmOut, **MISSING}, tags=["larder"])
def warm(request: HttpRequest, left_id: int) -> Any:
    """What is left warmed through, as the text of a recipe that is cooked as it is."""
    return {"text": queries.warm(get_object_or_404(Left, household=house(request), pk=left_id))}


@router.put("/household/rule", response={200: s.LeftOut, **BAD}, tags=["larder"])
def set_rule(request: HttpRequest, data: s.RuleIn, zone: str | None = None) -> Any:
    actions.set_rule(house(request), data.days)
    return queries.left_over(house(request), zone)
