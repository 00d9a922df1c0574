"""Changes of state of plans and cookings, one function each."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from functools import lru_cache
from typing import Any
from zoneinfo import ZoneInfo

from django.db import IntegrityError, transaction
from django.db.models import Max
from django.dispatch import Signal
from django.utils import timezone

from mealshift import cooking as core
from mealshift.cooking import devices
from mealshift.measures import Measures
from mealshift.planning import Dinner, Dish, plan_dinner
from mealshift.pot import Kitchen as CoreKitchen
from mealshift.pot import Pot as CorePot
from mealshift.problems import Problem, Refusal
from mealshift.reading import read
from mealshift.results import DishTonight
from mealshift.shifting import AsItIs, as_it_is, shift
from mealshift.shifting import Shift as CoreShift
from mealshift_server.base.clock import zone_of
from mealshift_server.base.errors import Conflict
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen import actions as kitchens
from mealshift_server.recipes import actions as recipes
from mealshift_server.recipes.models import Recipe, Shift

from .models import Cooking, Event, Tonight

# a cooking is over; whoever keeps something of it hears so within the same transaction
over = Signal()

SPEEDS = (1, 10, 60)
MOST_EVENTS = 3000
# a device may have been without the network so long and still tell when things happened
OLDEST = timedelta(days=5)
JUST_NOW = timedelta(seconds=3)
# a plan is over so long after its dinner: the next one begins with an empty table
PLAN_OVER = timedelta(hours=3)


def _on_clock(at: datetime | None, zone: ZoneInfo) -> datetime | None:
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


def _key(d: dict[str, Any]) -> str:
    """The key of a cooking's dish; those begun before 0.12 hold the shift's number."""
    return str(d.get("key") or d.get("shift_id"))


def _dish(household: Household, d: dict[str, Any]) -> Dish:
    measures = Measures(cup_ml=d["cup_ml"], measure_ml=d["measure_ml"])
    recipe = read(d["text"], measures, recipes.corrections_of(d["corrections"]))
    choice = None if d["choice"] is None else recipes.choice_of(d["choice"], household)
    return Dish(_key(d), recipe, choice, None if choice else kitchens.core_kitchen(household, d))


def plan(household: Household, kept: list[Shift | Recipe], asked: dict[str, Any]) -> Dinner:
    """asked: serve_at, now, zone, burners, pinned, changes, as the API takes them."""
    row = kitchens.kitchen_row(household)
    zone = zone_of(household, asked.get("zone"))
    serve_at = _on_clock(asked["serve_at"], zone)
    assert serve_at is not None
    burners = asked.get("burners")
    if burners is None:
        burners = len(row.burners) if row and row.burners else 2
    pinned = {p["id"]: at for p in asked.get("pinned") or [] if (at := _on_clock(p["start"], zone))}
    return plan_dinner(
        [_dish(household, d) for d in dishes_of(household, kept, asked.get("changes") or {})],
        serve_at,
        _on_clock(asked.get("now"), zone),
        burners,
        row.oven_places if row else 2,
        pinned,
        kitchens.owned(row),
    )


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


@transaction.atomic
def plan_tonight(
    household: Household, user: User, version: int, plan: dict[str, Any], serve_at: datetime
) -> dict[str, Any]:
    """Conflict if the plan is not the version the change was made on."""
    fields = {"plan": {"dishes": [], **plan}, "serve_at": serve_at, "by": user}
    found = Tonight.objects.select_for_update().filter(household=household).first()
    if (found.version if found else 0) != version:
        raise Conflict
    if found is None:
        Tonight.objects.create(household=household, **fields)
    else:
        for name, value in fields.items():
            setattr(found, name, value)
        found.version += 1
        found.save()
    return tonight(household)


def start_cooking(
    household: Household, user: User, client_id: str, kept: list[Shift | Recipe], asked: dict[str, Any], speed: int = 1
) -> tuple[Cooking, bool]:
    """The cooking and whether it is new: a second start with the same client_id, or of the very dishes that are on, gives the one there is."""
    if speed not in SPEEDS:
        raise Refusal("speed", "speed", "A cooking runs in real time, or for practice at 10 or 60 times.")
    there = Cooking.objects.filter(household=household, client_id=client_id).first()
    if there:
        return there, False
    began = timezone.now()
    zone = zone_of(household, asked.get("zone"))
    dinner = plan(household, kept, {**asked, "now": began})
    if not dinner.plan.tasks:
        problem = dinner.plan.problems[0]
        raise Refusal(problem.code, "serve_at", problem.text)
    first = began.astimezone(zone).replace(second=0, microsecond=0)
    serve_at = dinner.plan.serve_at
    if speed > 1 and dinner.plan.start_at and dinner.plan.start_at > first:
        # practice waits for no evening: it begins with the first task
        first = dinner.plan.start_at
        serve_at = began + (serve_at - first)
    script = core.script_of(dinner.shifts, dinner.plan, first)
    planned = {dinner.keys[s.task.dish] for s in dinner.plan.tasks}
    for running in Cooking.objects.filter(household=household, ended=None, began__gte=began - OLDEST):
        if {_key(d) for d in running.dishes} == planned:
            return running, False
    # the dish keeps the name the script knows it by, and the kitchen as it is tonight
    dishes = [
        {**d, "choice": d["choice"] and recipes.frozen_choice(household, d["choice"]), "name": name}
        for d in dishes_of(household, kept, asked.get("changes") or {})
        for name, key in dinner.keys.items()
        if key == _key(d) and key in planned
    ]
    try:
        with transaction.atomic():
            made = Cooking.objects.create(
                household=household,
                client_id=client_id,
                title=script.title[:400],
                began=began,
                serve_at=serve_at,
                speed=speed,
                script=script.as_dict(),
                dishes=dishes,
                by=user,
            )
    except IntegrityError:
        return Cooking.objects.get(household=household, client_id=client_id), False
    return made, True


@lru_cache(maxsize=64)
def _shifts(cooking_id: int, client_id: str) -> dict[str, CoreShift | AsItIs]:
    """The dishes of a cooking as they are cooked. They never change, so they are made once in this process. client_id: that a number given
    anew after a restore never shows another's."""
    cooking = Cooking.objects.select_related("household").get(pk=cooking_id)
    shifts: dict[str, CoreShift | AsItIs] = {}
    for d in cooking.dishes:
        dish = _dish(cooking.household, d)
        if dish.choice is None:
            shifts[d["name"]] = as_it_is(dish.recipe, dish.kitchen)
            continue
        kitchen = CoreKitchen(
            **{
                **{f: getattr(dish.choice.kitchen, f) for f in CoreKitchen.__slots__},
                "measure_ml": d["measure_ml"],
                "measure_name": d["measure_name"],
            }
        )
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


@dataclass(frozen=True, slots=True)
class Taken:
    """new: how many events were not known before. refused: (the event's id, what is wrong with it)."""

    new: int
    refused: tuple[tuple[str, Problem], ...] = ()


def append(cooking: Cooking, user: User | None, incoming: list[dict[str, Any]]) -> Taken:
    """Adds events once, however often they are sent. Each has id, kind, data and ago_ms: how long ago it happened by the device's own
    clock, so that two clocks that differ do no harm. One that cannot be is refused alone: the others of the same sending count."""
    script, now = script_of(cooking), timezone.now()
    rows, refused = [], []
    latest = Event.objects.filter(cooking=cooking).aggregate(Max("minute"))["minute__max"] or 0.0
    before_it = 0.0
    for e in incoming:
        ago = timedelta(milliseconds=min(max(0, e.get("ago_ms") or 0), OLDEST.total_seconds() * 1000))
        minute = e["minute"] if e.get("minute") is not None else minute_of(cooking, now - ago)
        if e.get("minute") is None:
            # touches of one device come in their order, and one of just now is no earlier than what is written down, whatever a clock that was set back says
            before_it = minute = max(minute, before_it, latest if ago < JUST_NOW else 0.0)
        try:
            data = core.check(script, e["kind"], e.get("data") or {})
        except Refusal as fault:
            refused.append((e["id"], fault.problem))
            continue
        rows.append(
            Event(cooking=cooking, client_id=e["id"], kind=e["kind"], minute=round(minute, 4), data=data, by=user)
        )
    with transaction.atomic():
        before = Event.objects.filter(cooking=cooking).count()
        if before + len(rows) > MOST_EVENTS:
            raise Refusal(
                "events", "", "This cooking has had more touches than any dinner needs: end it and start anew."
            )
        Event.objects.bulk_create(rows, ignore_conflicts=True)
        new = Event.objects.filter(cooking=cooking).count() - before
        if any(e["kind"] in ("done", "undo", "ended") for e in incoming):
            is_over = core.is_over(script, core.fold(script, events_of(cooking)))
            if is_over != (cooking.ended is not None):
                cooking.ended = now if is_over else None
                cooking.save(update_fields=["ended"])
                if is_over:
                    over.send(Cooking, cooking=cooking)
    return Taken(new, tuple(refused))


def append_one(cooking: Cooking, user: User | None, event: dict[str, Any]) -> None:
    """One event by itself; Refusal if it cannot be."""
    for _, problem in append(cooking, user, [event]).refused:
        raise Refusal(problem.code, problem.where, problem.text)


def set_alone(cooking: Cooking, alone: bool) -> Cooking:
    cooking.alone = alone
    cooking.save(update_fields=["alone"])
    return cooking


def run_alone(cooking: Cooking) -> None:
    """In a cooking that runs by itself: the touches that are due by now."""
    if not cooking.alone or cooking.ended is not None:
        return
    script, have = script_of(cooking), events_of(cooking)
    made = core.touches(script, have, minute_of(cooking, timezone.now()))
    if made:
        append(cooking, None, [{"id": e.id, "kind": e.kind, "data": e.data, "minute": e.minute} for e in made])


def state(cooking: Cooking, since: int | None) -> dict[str, Any]:
    """The state now; short if nothing has come since event `since`."""
    run_alone(cooking)
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


def take_reading(cooking: Cooking, user: User | None, event_id: str, pot: str | None, kind: str, value: float) -> str:
    """A device's reading as an event; without a pot it is the one put on last. The pot it was taken for."""
    if pot is None:
        pot = stand_in_reading(cooking, None, kind)[0]
    name, field = ("weighed", "grams") if kind == "scale" else ("probed", "celsius")
    append_one(cooking, user, {"id": event_id, "kind": name, "data": {"pot": pot, field: value}})
    return pot
