"""Changes of state of the larder, one function each."""

from __future__ import annotations

from dataclasses import asdict, replace
from datetime import datetime, timedelta
from typing import Any

from django.db.models import F
from django.db.models.functions import Greatest
from django.utils import timezone

from mealshift import keeping, larder
from mealshift.grains import grain
from mealshift.problems import Refusal
from mealshift_server.base.clock import today
from mealshift_server.households.models import Household

from .models import Bag, Left
from .queries import FIELDS, line_of, moves_of

MOST_BAGS = 200


def add(household: Household, text: str) -> Bag:
    """A bag from one typed line."""
    if Bag.objects.filter(household=household).count() >= MOST_BAGS:
        raise Refusal("line", "line", f"{MOST_BAGS} bags are enough for one larder: take off the empty ones.")
    made = larder.read_line(text, today(household), household.measures)
    fields = asdict(made)
    slug = fields.pop("grain")
    return Bag.objects.create(household=household, grain=slug, name=grain(slug).name, full_g=made.grams, **fields)


def change(bag: Bag, data: dict[str, Any]) -> Bag:
    """Only what is given is changed."""
    given = {k: v for k, v in data.items() if k in FIELDS}
    larder.check(replace(line_of(bag), **given), today(bag.household))
    for field, value in given.items():
        setattr(bag, field, value)
    bag.full_g = max(bag.full_g, bag.grams)
    bag.save()
    return bag


def take(bag: Bag, grams: float) -> None:
    """So much has gone into a pot. A bag that was not opened is open now."""
    Bag.objects.filter(pk=bag.pk).update(grams=Greatest(F("grams") - grams, 0.0))
    Bag.objects.filter(pk=bag.pk, opened=None).update(opened=today(bag.household))


# -- what is left over -----------------------------------------------------------------------------------------


def leave(household: Household, name: str, slug: str, portions: int, served: datetime) -> Left:
    """Portions left of a meal that was served then; they are on the table until somebody says where they went."""
    name = name.strip()[:240]
    if not name:
        raise Refusal("name", "name", "Say what is left.")
    if not 1 <= portions <= 40:
        raise Refusal("portions", "portions", "Say how many portions are left, 1 to 40.")
    if served > timezone.now() + timedelta(minutes=5):
        raise Refusal("served", "served", "That has not been served yet: give the time it came to the table.")
    return Left.objects.create(household=household, name=name, grain=grain(slug).slug, portions=portions, served=served)


def move(left: Left, place: str, portions: int | None) -> Left:
    """It lies in `place` from now on; every place before is remembered, for the clock goes by all of them."""
    keeping.check_place(place)
    if portions is not None:
        if not 0 <= portions <= 40:
            raise Refusal("portions", "portions", "Say how many portions are left, up to 40.")
        left.portions = portions
        place = "gone" if portions == 0 else place
    moves = keeping.moved(moves_of(left), place, timezone.now())
    left.place, left.moves = place, [[m.at.isoformat(), m.place] for m in moves]
    left.save()
    return left


def set_rule(household: Household, days: int) -> None:
    household.fridge_days = keeping.check_days(days)
    household.save(update_fields=["fridge_days"])
