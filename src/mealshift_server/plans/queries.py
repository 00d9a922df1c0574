"""What is asked of plans and cookings; nothing here changes one."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from functools import lru_cache
from typing import Any
from zoneinfo import ZoneInfo

from django.utils import timezone

from mealshift import cooking as core
from mealshift.cooking import devices
from mealshift.measures import Measures
from mealshift.planning import Dinner, Dish, plan_dinner
from mealshift.planning.schedule import report as plan_report
from mealshift.pot import Pot as CorePot
from mealshift.pot.ways import BURNERS, OVEN_PLACES
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.results import DishTonight
from mealshift.shifting import AsItIs, as_it_is, shift
from mealshift.shifting import Shift as CoreShift
from mealshift_server.base.clock import zone_of
from mealshift_server.households.models import Household
from mealshift_server.kitchen import queries as kitchens
from mealshift_server.kitchen.models import Kitchen
from mealshift_server.recipes import queries as recipes
from mealshift_server.recipes.models import Recipe, Shift

from .models import Cooking, Event, Tonight

# a plan is over so long after its dinner: the next one begins with an empty table
PLAN_OVER = timedelta(hours=3)


def on_clock(at: datetime | None, zone: ZoneInfo) -> datetime | None:
    """A point in time on the kitchen's clock; one without a zone is meant as that clock shows it."""
    if at is None:
        return None
    return at.replace(tzinfo=zone) if at.tzinfo is None else at.astimezone(zone)


def key_of(dish: Shift | Recipe) -> str:
    """What a plan calls it: a shift by its number, a recipe cooked as it is by r and its number."""
    return str(dish.pk) if isinstance(dish, Shift) else f"r{dish.pk}"


def dishes_by_key(household: Household, keys: list[str]) -> dict[str, Shift | Recipe]:
    """Those of these dishes that the household has."""
    numbers = {side: [int(k.lstrip("r")) for k in keys if k.startswith("r") is side] for side in (False, True)}
    mine: list[Shift | Recipe] = [
        *Shift.objects.filter(household=household, pk__in=numbers[False]),
        *Recipe.objects.filter(household=household, side=True, pk__in=numbers[True]),
    ]
    return {key_of(d): d for d in mine}


def dishes_of(
    household: Household, kept: list[Shift | Recipe], changes: dict[str, dict[str, Any]]
) -> list[dict[str, Any]]:
    """Plain data from which each dish is made again, with what the cook changed for tonight. A dish cooked as it is has no choice."""
    out = []
    for k in kept:
        choice = None
        if isinstance(k, Shift):
            changed = changes.get(key_of(k), {})
            # how long things take here is asked anew: it is the kitchen's, not the shift's
            choice = {**k.choice, **changed, "took": None}
            if "to" in changed:
                # another grain, from another bag, of which other things may have been learnt
                choice |= {"factors": None, "bag_id": None}
        out.append(
            {
                "key": key_of(k),
                "text": k.text,
                "corrections": k.corrections,
                "choice": choice,
                "cup_ml": household.cup_ml,
                "measure_ml": household.measure_ml,
                "measure_name": household.measure_name,
            }
        )
    return out


def key_in(d: dict[str, Any]) -> str:
    """The key of a cooking's dish; those begun before 0.12 hold the shift's number."""
    return str(d.get("key") or d.get("shift_id"))


def dish_of(household: Household, d: dict[str, Any]) -> Dish:
    measures = Measures(cup_ml=d["cup_ml"], measure_ml=d["measure_ml"])
    recipe = read(d["text"], measures, recipes.corrections_of(d["corrections"]))
    choice = None if d["choice"] is None else recipes.choice_of(d["choice"], household)
    return Dish(key_in(d), recipe, choice, None if choice else kitchens.core_kitchen(household, d))


def plan(household: Household, kept: list[Shift | Recipe], asked: dict[str, Any]) -> Dinner:
    """asked: serve_at, now, zone, burners, pinned, changes, as the API takes them."""
    row = kitchens.kitchen_row(household)
    zone = zone_of(household, asked.get("zone"))
    serve_at = on_clock(asked["serve_at"], zone)
    assert serve_at is not None
    burners = asked.get("burners")
    if burners is None:
        burners = burners_of(row)
    pinned = {p["id"]: at for p in asked.get("pinned") or [] if (at := on_clock(p["start"], zone))}
    return plan_dinner(
        [dish_of(household, d) for d in dishes_of(household, kept, asked.get("changes") or {})],
        serve_at,
        on_clock(asked.get("now"), zone),
        burners,
        row.oven_places if row else OVEN_PLACES,
        pinned,
        kitchens.owned(row),
    )


def plan_shown(household: Household, dinner: Dinner, burners: int | None) -> dict[str, Any]:
    """A dinner planned, with the ways out where it does not fit; burners: those it was planned on, else the kitchen's."""
    row = kitchens.kitchen_row(household)
    made = plan_report(dinner.plan)
    ways = [
        {
            "dish": dish,
            "key": w.key,
            "kind": w.kind,
            "needs": w.needs,
            "text": w.text,
            "serve_at": w.serve_at,
            "changes": w.changes,
        }
        for dish, found in dinner.ways_out.items()
        for w in found
    ]
    tasks = [{"part": "", **t, "key": dinner.keys[t["dish"]]} for t in made["tasks"]]
    return {**made, "tasks": tasks, "ways": ways, "burners": burners or burners_of(row)}


def burners_of(row: Kitchen | None) -> int:
    return len(row.burners) if row and row.burners else BURNERS


def tonight(household: Household) -> dict[str, Any]:
    """The plan in hand. Dishes that are gone are not in it; one that is over is none."""
    found = Tonight.objects.filter(household=household).select_related("by").first()
    if found is None:
        return {"version": 0, "plan": None, "by": ""}
    base = {"version": found.version, "by": found.by.get_username() if found.by else ""}
    if found.serve_at + PLAN_OVER < timezone.now():
        return {**base, "plan": None}
    there = dishes_by_key(household, [d["key"] for d in found.plan["dishes"]])
    return {**base, "plan": {**found.plan, "dishes": [d for d in found.plan["dishes"] if d["key"] in there]}}


@lru_cache(maxsize=64)
def _shifts(cooking_id: int, client_id: str) -> dict[str, CoreShift | AsItIs]:
    """The dishes of a cooking as they are cooked. They never change, so they are made once in this process. client_id: that a number given
    anew after a restore never shows another's."""
    cooking = Cooking.objects.select_related("household").get(pk=cooking_id)
    shifts: dict[str, CoreShift | AsItIs] = {}
    for d in cooking.dishes:
        dish = dish_of(cooking.household, d)
        if dish.choice is None:
            shifts[d["name"]] = as_it_is(dish.recipe, dish.kitchen)
            continue
        kitchen = replace(dish.choice.kitchen, measure_ml=d["measure_ml"], measure_name=d["measure_name"])
        shifts[d["name"]] = shift(dish.recipe, recipes.with_kitchen(dish.choice, kitchen))
    return shifts


def _pots(cooking: Cooking) -> dict[str, CorePot]:
    return core.pots_of(_shifts(cooking.pk, cooking.client_id))


def recipes_of(cooking: Cooking) -> list[DishTonight]:
    return core.the_recipes(_shifts(cooking.pk, cooking.client_id))


def script_of(cooking: Cooking) -> core.Script:
    return core.script_from(cooking.script, _pots(cooking))


def minute_of(cooking: Cooking, at: datetime) -> float:
    """Kitchen minutes since the cooking began."""
    return max(0.0, (at - cooking.began).total_seconds() * cooking.speed / 60)


def events_of(cooking: Cooking) -> list[core.Event]:
    return [core.Event(e.client_id, e.kind, e.minute, e.data) for e in Event.objects.filter(cooking=cooking)]


def state(cooking: Cooking, since: int | None) -> dict[str, Any]:
    """The state now; short if nothing has come since event `since`."""
    last = Event.objects.filter(cooking=cooking).values_list("id", flat=True).last() or 0
    minute = minute_of(cooking, timezone.now())
    base = {
        "id": cooking.pk,
        "last": last,
        "minute": minute,
        "speed": cooking.speed,
        "alone": cooking.alone,
        "began": cooking.began,
        "serve_at": cooking.serve_at,
    }
    if since is not None and since == last:
        return {**base, "state": None}
    return {**base, "state": core.report(script_of(cooking), events_of(cooking), minute)}


def running(household: Household) -> Cooking | None:
    """The cooking that is on now, the newest."""
    return Cooking.objects.filter(household=household, ended=None).select_related("household").first()


def device_shown(cooking: Cooking, kind: str) -> dict[str, Any]:
    """What a device sees: each pot that is on, and what its simulated like would read."""
    rows = []
    for key, pot in script_of(cooking).pots.items():
        try:
            value = stand_in_reading(cooking, key, kind)[1]
        except Refusal:
            continue
        rows.append({"pot": key, "name": pot.grain.name, "simulated": value})
    return {"title": cooking.title, "speed": cooking.speed, "pots": rows}


def stand_in_reading(cooking: Cooking, pot: str | None, kind: str) -> tuple[str, float]:
    """What the simulated scale (g) or probe (°C) would read now: (pot, reading). Refusal if no pot is on."""
    script = script_of(cooking)
    folded = core.fold(script, events_of(cooking))
    minute = minute_of(cooking, timezone.now())
    on = {k: made for k in script.pots if (made := core.pot_run(script, folded, k))}
    if pot is None and on:
        pot = max(on, key=lambda k: on[k][1])
    if pot not in on:
        raise Refusal("pot", "pot", "No pot is on yet: put one on the heat first.")
    run, began = on[pot]
    if kind == "probe":
        return pot, devices.probe_celsius(run, minute - began)
    return pot, devices.scale_grams(script.pots[pot], run, minute - began)
