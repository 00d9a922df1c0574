"""From the stove to the notebook: what a cooking that is over leaves behind."""

from __future__ import annotations

from typing import Any

from django.dispatch import receiver
from django.utils import timezone

from mealshift import cooking as core
from mealshift.cooking.took import took
from mealshift.pot import Factors
from mealshift_server.base.clock import zone_of
from mealshift_server.kitchen import actions as kitchens
from mealshift_server.kitchen.models import Pot
from mealshift_server.larder import actions as larder
from mealshift_server.larder import queries as larder_asked
from mealshift_server.plans.actions import over
from mealshift_server.plans.models import Cooking
from mealshift_server.plans.queries import events_of, script_of

from .actions import write


@receiver(over)
def write_down(sender: type[Cooking], cooking: Cooking, **_: Any) -> None:
    """A cooking that is over writes its own entries in the notebook, and its grain is gone from the larder."""
    script = script_of(cooking)
    choices = {d["name"]: d["choice"] for d in cooking.dishes}
    of = {key: choices[key.rpartition("/")[0]] for key in script.pots}
    factors = {key: Factors(**(choice.get("factors") or {})) for key, choice in of.items()}
    pots = {p.pk: p for p in Pot.objects.filter(household=cooking.household)}
    bags = {
        key: larder_asked.bag_for(
            cooking.household, script.pots[key].grain.slug, None if choice.get("blend") else choice.get("bag_id")
        )
        for key, choice in of.items()
    }
    records = core.records(script, core.fold(script, events_of(cooking)), factors)
    on = timezone.localtime(cooking.began, zone_of(cooking.household, None)).date()
    new = write(
        cooking.household,
        cooking.pk,
        cooking.by,
        on,
        cooking.speed > 1,
        records,
        {key: (pots.get(choice.get("pot_id")), bag.pk if (bag := bags[key]) else None) for key, choice in of.items()},
    )
    if cooking.speed == 1:
        kitchens.note_took(cooking.household, took(script, events_of(cooking)))
        for r in new:
            if (bag := bags[r["pot"]]) is not None:
                larder.take(bag, r["predicted"]["dry_g"])
