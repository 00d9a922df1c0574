"""What is asked of the larder: bags, and what is left over."""

from __future__ import annotations

from dataclasses import asdict
from datetime import datetime, tzinfo
from typing import Any

from django.utils import timezone

from mealshift import keeping, larder
from mealshift_server.base.clock import today, zone_of
from mealshift_server.households.models import Household

from .models import Bag, Left

FIELDS = ("grams", "kind", "best_before", "opened", "label_ratio", "label_min")


def line_of(bag: Bag) -> larder.BagLine:
    return larder.BagLine(bag.grain, bag.grams, bag.kind, bag.best_before, bag.opened, bag.label_ratio, bag.label_min)


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


def moves_of(left: Left) -> tuple[keeping.Move, ...]:
    return tuple(keeping.Move(datetime.fromisoformat(at), place) for at, place in left.moves)


def warm(left: Left) -> str:
    """It warmed through, as the text of a recipe."""
    k = keeping.keep(left.grain, left.served, moves_of(left), timezone.now(), left.household.fridge_days)
    return keeping.warmed(left.grain, left.name, left.portions, k.over)


def left_shown(left: Left, zone: tzinfo) -> dict[str, Any]:
    """On the household's clock, for the sentence names hours and days."""
    k = keeping.keep(
        left.grain,
        left.served.astimezone(zone),
        tuple(keeping.Move(m.at.astimezone(zone), m.place) for m in moves_of(left)),
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


def left_over(household: Household, zone_name: str | None) -> dict[str, Any]:
    """What is left over, by the clock of the cook's device."""
    zone = zone_of(household, zone_name)
    rows = Left.objects.filter(household=household).exclude(place="gone").select_related("household")[:100]
    return {"fridge_days": household.fridge_days, "left": [left_shown(x, zone) for x in rows]}
