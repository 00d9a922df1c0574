"""The schedule, by OR-Tools CP-SAT in whole minutes before the serving time.

Every dish is ready at the serving time; the hands do one thing at once; no more pots than burners, no more dishes than the oven
takes; waiting hot food costs most, a long evening half of that, one task's early start a little. First it is found how many dishes can be kept, then the best evening of those. A dish
that cannot make it is left out, named, and told what would help. The search is bounded by its own work, not by the clock, so that a plan does not
depend on how busy the machine is; what it has found by then is a good answer, not always the best.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

from ..manner import Manner
from ..pot.ways import BURNERS, OVEN_PLACES
from ..problems import Problem, Refusal
from .tasks import Task

LONGEST_MIN = 5 * 1440
# the solver's own measure of work, the same on every machine; about half a second of CPU here, after which three times as much finds no better evening
EFFORT = 0.12
# what a minute costs: hot food waiting, the evening's length, one task's early start
_WAIT, _SPAN, _EARLY = 20, 10, 1


@dataclass(frozen=True, slots=True)
class Scheduled:
    task: Task
    start: datetime
    end: datetime


@dataclass(frozen=True, slots=True)
class Plan:
    serve_at: datetime
    start_at: datetime | None
    tasks: tuple[Scheduled, ...]
    problems: tuple[Problem, ...]


def minutes_from(a: datetime, b: datetime) -> int:
    """Whole minutes that pass from a to b: of the real hour where both have a zone, so that a change of the clocks in between counts."""
    if a.tzinfo is not None and b.tzinfo is not None:
        a, b = a.astimezone(UTC), b.astimezone(UTC)
    return int((b - a).total_seconds() // 60)


def before(at: datetime, minutes: int) -> datetime:
    """So many minutes that really pass before `at`, on the same clock."""
    if at.tzinfo is None:
        return at - timedelta(minutes=minutes)
    return (at.astimezone(UTC) - timedelta(minutes=minutes)).astimezone(at.tzinfo)


def make_plan(
    dishes: dict[str, list[Task]],
    serve_at: datetime,
    now: datetime | None = None,
    burners: int = BURNERS,
    ovens: int = OVEN_PLACES,
    pinned: dict[str, datetime] | None = None,
    owned: tuple[str, ...] | None = None,
    effort: float = EFFORT,
    manner: Manner | None = None,
) -> Plan:
    """dishes: name → its tasks. now: nothing starts before. burners, ovens: how many at once. pinned: task id → its start.
    owned: the appliances there are (None: not said, none is ruled out). manner: how times are said. effort: how much the search may work, in the solver's deterministic seconds.

    Refusal if there is no burner or nothing to plan; a dish that cannot make it becomes a problem.
    """
    manner = manner or Manner()
    if not dishes:
        raise Refusal("plan", "dishes", "There is nothing to plan: give at least one recipe.")
    if not 1 <= burners <= 8:
        raise Refusal("burners", "burners", "A plan needs 1 to 8 burners; give a number in between.")
    room = LONGEST_MIN if now is None else minutes_from(now, serve_at)
    if now is not None and room <= 0:
        raise Refusal(
            "serve_at",
            "serve_at",
            f"{manner.time(serve_at)} has passed by {manner.time(now)}: give a later serving time.",
        )
    room = min(room, LONGEST_MIN)
    pins = {i: minutes_from(at, serve_at) for i, at in (pinned or {}).items()}
    lacking = {name: _lacks(tasks, owned, ovens) for name, tasks in dishes.items()}
    able = {name: tasks for name, tasks in dishes.items() if not lacking[name]}
    starts, missed = _solve(able, room, burners, ovens, pins, effort) if able else ({}, [])
    done = [
        Scheduled(t, before(serve_at, starts[t.id]), before(serve_at, starts[t.id] - t.minutes))
        for tasks in dishes.values()
        for t in tasks
        if t.id in starts
    ]
    done.sort(key=lambda s: (s.start, s.end, s.task.id))
    # whether it is the pins that keep a dish out is asked only where one is out, and without looking for the best evening
    unpinned = _keep(able, room, burners, ovens, {}, effort)[1] if pins and missed else ()
    problems = [
        Problem(
            "no_appliance",
            name,
            f"{name} needs {what}, which your kitchen does not list: choose another way, or add it to the kitchen.",
        )
        for name, what in lacking.items()
        if what
    ]
    for name in missed:
        own_pins = any(t.id in pins for t in dishes[name])
        if pins and name not in unpinned:
            which = "its own tasks" if own_pins else "the other dishes' tasks"
            problems.append(
                Problem("pinned", name, f"{name} cannot be done with {which} pinned where they are: let go of a pin.")
            )
        else:
            problems.append(_missed(name, dishes[name], room, serve_at, now, manner))
    return Plan(serve_at, done[0].start if done else None, tuple(done), tuple(problems))


def _lacks(tasks: list[Task], owned: tuple[str, ...] | None, ovens: int) -> str:
    """The first thing a dish needs that the kitchen lacks, with its article; "" if it has all."""
    for t in tasks:
        if t.resource == "oven" and ovens < 1:
            return "an oven"
        if owned is not None and t.resource not in ("", "burner", "oven", "kettle") and t.resource not in owned:
            return f"{'an' if t.resource[0] in 'aeio' else 'a'} {t.resource}"
        if owned is not None and t.needs and t.needs not in owned:
            return f"a {t.needs}"
    return ""


def _solve(
    dishes: dict[str, list[Task]], room: int, burners: int, ovens: int, pins: dict[str, int], effort: float
) -> tuple[dict[str, int], list[str]]:
    """Minutes before serving at which each task starts, and the dishes left out. First which dishes can be kept at all, then the best evening of those."""
    known, missed, room = _keep(dishes, room, burners, ovens, pins, effort)
    kept = {name: tasks for name, tasks in dishes.items() if name not in missed}
    best = _Model(kept, room, burners, ovens, pins, optional=False, hint=known).solve(effort) if kept else {}
    starts = best or known
    return {i: room - at for i, at in starts.items()}, missed


def left_out(
    dishes: dict[str, list[Task]],
    serve_at: datetime,
    now: datetime | None,
    burners: int,
    ovens: int,
    effort: float = EFFORT,
) -> list[str]:
    """Which dishes cannot make it to `serve_at`: what a plan would leave out, without the plan."""
    room = LONGEST_MIN if now is None else min(LONGEST_MIN, minutes_from(now, serve_at))
    return _keep(dishes, room, burners, ovens, {}, effort)[1] if room > 0 else list(dishes)


def _keep(
    dishes: dict[str, list[Task]], room: int, burners: int, ovens: int, pins: dict[str, int], effort: float
) -> tuple[dict[str, int], list[str], int]:
    """As many dishes as can be kept: where their tasks can start, the dishes left out, and the minutes that are looked at."""
    # a dinner done by one pair of hands on one burner is never longer: nothing needs to be looked for before
    longest = sum(t.minutes for tasks in dishes.values() for t in tasks) + sum(
        t.holds for tasks in dishes.values() for t in tasks
    )
    room = min(room, max([longest, *(n + 1 for n in pins.values())]))
    fits = {name: tasks for name, tasks in dishes.items() if critical_minutes(tasks) <= room}
    first = _Model(fits, room, burners, ovens, pins, optional=True)
    known = first.solve(effort) or {}
    return known, [name for name in dishes if name not in fits or not any(t.id in known for t in fits[name])], room


class _Model:
    """Time runs forward from 0 to `room`, the serving time. optional: dishes may be left out, and how many are kept is all that counts."""

    def __init__(
        self,
        dishes: dict[str, list[Task]],
        room: int,
        burners: int,
        ovens: int,
        pins: dict[str, int],
        optional: bool,
        hint: dict[str, int] | None = None,
    ) -> None:
        try:
            from ortools.sat.python import cp_model
        except ImportError:
            raise Refusal(
                "planner", "", "Planning wants the solver, which is not installed here: pip install 'mealshift[plan]'."
            ) from None

        self.cp, self.dishes, self.room = cp_model, dishes, room
        self.model = cp_model.CpModel()
        self.start: dict[str, Any] = {}
        self.kept: dict[str, Any] = {}
        self.hands: list[Any] = []
        self.on: dict[str, list[Any]] = {"burner": [], "oven": []}
        self.cost: list[Any] = []
        self.optional = optional
        # how far the answer may be from the best, as a share of its cost; known once it is solved
        self.gap = 0.0
        for name, tasks in dishes.items():
            self.kept[name] = self.model.new_bool_var(name) if optional else None
            if optional:
                self.cost.append(self.kept[name].negated())
            self._dish(name, tasks, pins)
        self.model.add_no_overlap(self.hands)
        for resource, held in self.on.items():
            most = {"burner": burners, "oven": ovens}.get(resource)
            if most is None:
                self.model.add_no_overlap(held)
            else:
                self.model.add_cumulative(held, [1] * len(held), most)
        if self.start and not optional:
            begin = self.model.new_int_var(0, room, "begin")
            for at in self.start.values():
                self.model.add(begin <= at)
            self.cost.append(_SPAN * (room - begin))
        for i, at in (hint or {}).items():
            if i in self.start:
                self.model.add_hint(self.start[i], at)
        self.model.minimize(sum(self.cost))

    def _if_kept(self, name: str, bound: Any) -> None:
        made = self.model.add(bound)
        if self.kept[name] is not None:
            made.only_enforce_if(self.kept[name])

    def _interval(self, name: str, at: Any, minutes: int) -> Any:
        if self.kept[name] is None:
            return self.model.new_fixed_size_interval_var(at, minutes, "")
        return self.model.new_optional_fixed_size_interval_var(at, minutes, self.kept[name], "")

    def _dish(self, name: str, tasks: list[Task], pins: dict[str, int]) -> None:
        model, room, start = self.model, self.room, self.start
        ends = {t.id: t.minutes for t in tasks}
        for t in tasks:
            s = start[t.id] = model.new_int_var(0, max(0, room - t.minutes), t.id)
            if t.id in pins:
                self._if_kept(name, s == room - pins[t.id])
            for other, most in t.waits:
                self._if_kept(name, s <= start[other] + ends[other] + most)
            if t.hands_on:
                self.hands.append(self._interval(name, s, t.hands_on))
            if t.resource:
                self.on.setdefault(t.resource, []).append(self._interval(name, s, t.minutes))
            for before_it in t.after:
                self._if_kept(name, s >= start[before_it] + ends[before_it])
            if t.within is not None and t.after:
                last = t.after[-1]
                self._if_kept(name, s <= start[last] + ends[last] + t.within)
            if t.last:
                self._if_kept(name, room - s - t.minutes <= t.holds)
            if not self.optional:
                self.cost.append(_EARLY * (room - s))
                if t.last:
                    self.cost.append(_WAIT * (room - s - t.minutes))

    def solve(self, effort: float) -> dict[str, int] | None:
        """Where each task starts; None if there is no answer within the effort. The same answer however busy the machine is."""
        solver = self.cp.CpSolver()
        solver.parameters.max_deterministic_time = effort
        solver.parameters.num_workers = 1
        solver.parameters.random_seed = 1
        if solver.solve(self.model) not in (self.cp.OPTIMAL, self.cp.FEASIBLE):
            return None
        cost = solver.objective_value
        self.gap = (cost - solver.best_objective_bound) / cost if cost else 0.0
        return {
            t.id: solver.value(self.start[t.id])
            for name, tasks in self.dishes.items()
            if self.kept[name] is None or solver.boolean_value(self.kept[name])
            for t in tasks
        }


def critical_minutes(tasks: list[Task]) -> int:
    """The shortest time a dish takes with all the hands and burners in the world."""
    ends: dict[str, int] = {}
    for t in tasks:
        ends[t.id] = max((ends[b] for b in t.after), default=0) + t.minutes
    return max(ends.values(), default=0)


def _missed(
    name: str, tasks: list[Task], room: int, serve_at: datetime, now: datetime | None, manner: Manner
) -> Problem:
    needs = critical_minutes(tasks)
    if needs <= room:
        return Problem(
            "crowded",
            name,
            f"{name} finds no free hands or burner before {manner.time(serve_at)}: serve later, use another burner, or leave a dish out.",
        )
    soak = sum(t.minutes for t in tasks if t.id.endswith("/soak") or "/sprout" in t.id)
    ways = []
    if soak and needs - soak <= room:
        ways.append("cook it without the soak")
    ways += ["take a quicker grain or a pressure cooker"] if needs - soak > 30 else []
    ready = before(now or before(serve_at, room), -needs)
    ways.append(f"serve at {manner.time(ready)}")
    return Problem(
        "too_late",
        name,
        f"{name} needs {needs} minutes and only {room} are left before {manner.time(serve_at)}: {', or '.join(ways)}.",
    )


def report(plan: Plan) -> dict[str, Any]:
    return {
        "schema": 1,
        "serve_at": plan.serve_at.isoformat(),
        "start_at": plan.start_at.isoformat() if plan.start_at else None,
        "tasks": [
            {
                "id": s.task.id,
                "what": s.task.what,
                "dish": s.task.dish,
                **({"part": s.task.part} if s.task.part else {}),
                "start": s.start.isoformat(),
                "end": s.end.isoformat(),
                "hands_on": s.task.hands_on,
                "resource": s.task.resource or "none",
            }
            for s in plan.tasks
        ],
        "problems": [p.as_dict() for p in plan.problems],
    }
