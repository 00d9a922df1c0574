"""Changes of state of plans and cookings, one function each."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from django.db import IntegrityError, transaction
from django.db.models import Max
from django.dispatch import Signal
from django.utils import timezone

from mealshift import cooking as core
from mealshift.problems import Problem, Refusal
from mealshift_server.base.clock import zone_of
from mealshift_server.base.errors import Conflict
from mealshift_server.households.models import Household, User
from mealshift_server.recipes import queries as recipes
from mealshift_server.recipes.models import Recipe, Shift

from .models import Cooking, Event, Tonight
from .queries import dishes_of, events_of, key_in, minute_of, plan, script_of, stand_in_reading, tonight

# a cooking is over; whoever keeps something of it hears so within the same transaction
over = Signal()

SPEEDS = (1, 10, 60)
MOST_EVENTS = 3000
# a device may have been without the network so long and still tell when things happened
OLDEST = timedelta(days=5)
JUST_NOW = timedelta(seconds=3)


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
        if {key_in(d) for d in running.dishes} == planned:
            return running, False
    # the dish keeps the name the script knows it by, and the kitchen as it is tonight
    dishes = [
        {**d, "choice": d["choice"] and recipes.frozen_choice(household, d["choice"]), "name": name}
        for d in dishes_of(household, kept, asked.get("changes") or {})
        for name, key in dinner.keys.items()
        if key == key_in(d) and key in planned
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


def take_reading(cooking: Cooking, user: User | None, event_id: str, pot: str | None, kind: str, value: float) -> str:
    """A device's reading as an event; without a pot it is the one put on last. The pot it was taken for."""
    if pot is None:
        pot = stand_in_reading(cooking, None, kind)[0]
    name, field = ("weighed", "grams") if kind == "scale" else ("probed", "celsius")
    append_one(cooking, user, {"id": event_id, "kind": name, "data": {"pot": pot, field: value}})
    return pot
