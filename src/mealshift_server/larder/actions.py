"""Changes of state of the larder, one function each."""

from __future__ import annotations

from dataclasses import asdict, replace
from datetime import datetime, timedelta, tzinfo
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

MOST_BAGS = 200
FIELDS = ("grams", "kind", "best_before", "opened", "label_ratio", "label_min")


def line_of(bag: Bag) -> larder.BagLine:
    return larder.BagLine(bag.grain, bag.grams, bag.kind, bag.best_before, bag.opened, bag.label_ratio, bag.label_min)


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


def shown(bag: Bag) -> dict[str, Any]:
    line = line_of(bag)
    return {
        "id": bag.pk,
        "grain": bag.grain,
        "name": bag.name,
        "full_g": bag.full_g,
        **{f: getattr(bag, f) for f in FIELDS},
        "old": larder.old(line, today(bag.household)),
        "label": larder.label(line),
    }


def bag_for(household: Household, slug: str, bag_id: int | None) -> Bag | None:
    """The bag a pot is taken from: the one named, else the one to be used up first of this grain."""
    mine = Bag.objects.filter(household=household)
    if bag_id is not None:
        return mine.filter(pk=bag_id).first()
    return mine.filter(grain=slug, grams__gt=0).first()


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
    moves = keeping.moved(_moves(left), place, timezone.now())
    left.place, left.moves = place, [[m.at.isoformat(), m.place] for m in moves]
    left.save()
    return left


def _moves(left: Left) -> tuple[keeping.Move, ...]:
    return tuple(keeping.Move(datetime.fromisoformat(at), place) for at, place in left.moves)


def warm(left: Left) -> str:
    """It warmed through, as the text of a recipe."""
    k = keeping.keep(left.grain, left.served, _moves(left), timezone.now(), left.household.fridge_days)
    return keeping.warmed(left.grain, left.name, left.portions, k.over)


def set_rule(household: Household, days: int) -> None:
    household.fridge_days = keeping.check_days(days)
    household.save(update_fields=["fridge_days"])


def left_shown(left: Left, zone: tzinfo) -> dict[str, Any]:
    """On the household's clock, for the sentence names hours and days."""
    k = keeping.keep(
        left.grain,
        left.served.astimezone(zone),
        tuple(keeping.Move(m.at.astimezone(zone), m.place) for m in _moves(left)),
        timezone.now().astimezone(zone),
        left.household.fridge_days,
        manner=left.household.manner,
    )
    return {
        "id": left.pk,
        "name": left.name,
        "grain": left.grain,
        "portions": left.portions,
        "served": left.served,
        "place": left.place,
        **asdict(k),
    }
