"""A dinner: dishes shifted, planned, and for each that cannot make it the ways out that would really do.

A way out is not advice: each is tried. The changed dish is shifted and its tasks summed before it is offered, so that touching it
gives a plan.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from datetime import datetime
from functools import cache
from typing import Any

from .. import comparing
from ..manner import Manner
from ..pot import Kitchen
from ..pot.account import said_minutes
from ..pot.ways import BURNERS, OVEN_PLACES
from ..problems import Refusal
from ..recipe import Recipe
from ..shifting import AsItIs, Choice, Shift, as_it_is, shift
from .schedule import EFFORT, LONGEST_MIN, Plan, before, critical_minutes, left_out, make_plan, minutes_from
from .tasks import tasks_of

# later serving times that are tried for a crowded kitchen, minutes
LATER = (15, 30, 45)


@dataclass(frozen=True, slots=True)
class Dish:
    """key: what the caller calls it; changes of a way out come back under it. choice: None for a dish without a grain, cooked as it is
    (in that kitchen)."""

    key: str
    recipe: Recipe
    choice: Choice | None
    kitchen: Kitchen | None = None


@dataclass(frozen=True, slots=True)
class WayOut:
    """kind: no_soak, pressure, grain, own (the kitchen has what it needs, after all) or later. changes: of the dish's choice. serve_at: for "later". minutes: what the dish then takes."""

    kind: str
    key: str
    text: str
    changes: dict[str, Any] = field(default_factory=dict)
    serve_at: datetime | None = None
    minutes: int = 0
    needs: str = ""


@dataclass(frozen=True, slots=True)
class Dinner:
    plan: Plan
    shifts: dict[str, Shift | AsItIs]
    keys: dict[str, str]
    ways_out: dict[str, tuple[WayOut, ...]]


def plan_dinner(
    dishes: list[Dish],
    serve_at: datetime,
    now: datetime | None = None,
    burners: int = BURNERS,
    ovens: int = OVEN_PLACES,
    pinned: dict[str, datetime] | None = None,
    owned: tuple[str, ...] | None = None,
) -> Dinner:
    """Shifts and plans all dishes. ways_out: by dish name, for the dishes that the plan had to leave out."""
    shifts: dict[str, Shift | AsItIs] = {}
    keys: dict[str, str] = {}
    for d in dishes:
        made = as_it_is(d.recipe, d.kitchen) if d.choice is None else shift(d.recipe, d.choice)
        name = made.title.text
        while name in shifts:
            name += " (again)"
        shifts[name], keys[name] = made, d.key
    tasks = {name: tasks_of(made, name) for name, made in shifts.items()}

    kitchens = [d.choice.kitchen if d.choice else d.kitchen for d in dishes]
    manner = next((k.manner for k in kitchens if k), Manner())
    plan = make_plan(tasks, serve_at, now, burners, ovens, pinned, owned, manner=manner)
    able = {
        name: t for name, t in tasks.items() if name not in {p.where for p in plan.problems if p.code == "no_appliance"}
    }

    # several dishes ask for the same hours
    @cache
    def missing(at: datetime) -> list[str]:
        return left_out(able, at, now, burners, ovens, EFFORT / 10)

    ways = {}
    by_key = {d.key: d for d in dishes}
    for p in plan.problems:
        if p.where in shifts:
            ways[p.where] = tuple(
                _ways_out(p.where, by_key[keys[p.where]], shifts[p.where], plan, p.code, now, missing, owned)
            )
    # a pot that is too small is planned all the same, and said: the cook may have a larger one at hand
    full = [replace(p, where=name) for name, made in shifts.items() for p in made.problems if p.code == "pot_full"]
    return Dinner(replace(plan, problems=(*plan.problems, *full)), shifts, keys, ways)


def _ways_out(
    name: str,
    dish: Dish,
    made: Shift | AsItIs,
    plan: Plan,
    code: str,
    now: datetime | None,
    missing: Callable[[datetime], list[str]],
    owned: tuple[str, ...] | None,
) -> list[WayOut]:
    if code == "pinned":
        return []
    if isinstance(made, AsItIs):
        return _later(name, dish, made, plan, code, now, missing)
    choice = made.choice
    room = minutes_from(now, plan.serve_at) if now else LONGEST_MIN
    out: list[WayOut] = []

    def offer(kind: str, text: str, changes: dict[str, Any]) -> bool:
        try:
            other = shift(dish.recipe, replace(choice, **changes))
        except Refusal:
            return False
        needs = critical_minutes(tasks_of(other, "x"))
        row = other.pot.way.row
        missing = [d for d in (row.resource, row.needs) if d not in ("", "burner", "oven", "kettle", *(owned or ()))]
        # more water than the pot holds is no way out
        if needs > room or any(p.code == "pot_full" for p in other.problems) or (owned is not None and missing):
            return False
        out.append(WayOut(kind, dish.key, f"{text}: {said_minutes(needs)}", changes, None, needs))
        return True

    way = made.pot.way
    if way.soak_min or way.sprouted:
        offer("no_soak", "Without the soak", {"soak_min": 0.0, "sprouted": False, "roast": None})
    for method, word in (
        ("electric-pressure", "In the electric pressure cooker"),
        ("pressure", "In the pressure cooker"),
    ):
        if way.method != method and method in made.pot.grain.methods:
            changes: dict[str, Any] = {"method": method, "lid": None, "texture": None}
            offer("pressure", word, changes) or (
                way.soak_min and offer("pressure", f"{word}, unsoaked", {**changes, "soak_min": 0.0})
            )
    if code == "no_appliance":
        if lacking := replace(choice.kitchen, cookers=owned).lacks(way):
            out.append(
                WayOut("own", dish.key, f"We have {'an' if lacking[0] in 'aeio' else 'a'} {lacking}", needs=lacking)
            )
        offer(
            "pressure",
            "In a pot under its lid",
            {"method": "covered", "lid": None, "whistles": None, "release": "natural"},
        )
    grains = 0
    for c in comparing.best_of_each(comparing.candidates(dish.recipe, choice.kitchen, min(72.0, max(0.1, room / 60)))):
        if grains < 2 and c.suited and c.in_time and c.grain.slug not in (made.pot.grain.slug, made.own.grain.slug):
            changes = {
                "to": c.grain.slug,
                "blend": (),
                "method": c.way.method,
                "lid": None,
                "soak_min": c.way.soak_min,
                "texture": None,
                "roast": None,
                "sprouted": False,
                "whistles": None,
                "release": "natural",
            }
            grains += offer("grain", f"With {c.grain.name}", changes)
    out += _later(name, dish, made, plan, code, now, missing)
    return out


def _later(
    name: str,
    dish: Dish,
    made: Shift | AsItIs,
    plan: Plan,
    code: str,
    now: datetime | None,
    missing: Callable[[datetime], list[str]],
) -> list[WayOut]:
    needs = critical_minutes(tasks_of(made, name))
    tries = [before(plan.serve_at, -n) for n in LATER]
    if code == "too_late" and now:
        ready = before(now, -needs)
        # on the next five minutes, so that it is a time one says
        ready = before(ready, -(-ready.minute % 5))
        tries = [before(ready, -n) for n in (0, *LATER[1:])]
    if code not in ("too_late", "crowded"):
        return []
    missed = {p.where for p in plan.problems}
    for at in tries:
        again = set(missing(at))
        if name not in again and again <= missed:
            return [WayOut("later", dish.key, f"Serve at {made.kitchen.manner.time(at)}", {}, at, needs)]
    return []
