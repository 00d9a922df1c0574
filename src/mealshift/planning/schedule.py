"""The schedule, by OR-Tools CP-SAT in whole minutes before the serving time.

Every dish is ready at the serving time; the hands do one thing at once; no more pots than burners, no more dishes than the oven
takes; waiting hot food costs most, an early start a little. A dish that cannot make it is left out, named, and told what would
help. The search is bounded; what it has found by then is a good answer, not always the best.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

from ..problems import Problem, Refusal
from .tasks import Task

LONGEST_MIN = 5 * 1440
BOUND_S = 2.0
# what a minute costs: hot food waiting, an early start, a dish left out
_WAIT, _EARLY, _LEFT_OUT = 20, 1, 10_000_000


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
    burners: int = 2,
    ovens: int = 2,
    pinned: dict[str, datetime] | None = None,
    owned: tuple[str, ...] | None = None,
    bound_s: float = BOUND_S,
) -> Plan:
    """dishes: name → its tasks. now: nothing starts before. burners, ovens: how many at once. pinned: task id → its start.
    owned: the appliances there are (None: not said, none is ruled out). bound_s: seconds the search may take.

    Refusal if there is no burner or nothing to plan; a dish that cannot make it becomes a problem.
    """
    if not dishes:
        raise Refusal("plan", "dishes", "There is nothing to plan: give at least one recipe.")
    if not 1 <= burners <= 8:
        raise Refusal("burners", "burners", "A plan needs 1 to 8 burners; give a number in between.")
    room = LONGEST_MIN if now is None else minutes_from(now, serve_at)
    if room <= 0:
        raise Refusal("serve_at", "serve_at", f"{serve_at:%H:%M} has passed by {now:%H:%M}: give a later serving time.")
    room = min(room, LONGEST_MIN)
    pins = {i: minutes_from(at, serve_at) for i, at in (pinned or {}).items()}
    lacking = {name: _lacks(tasks, owned, ovens) for name, tasks in dishes.items()}
    able = {name: tasks for name, tasks in dishes.items() if not lacking[name]}
    starts, missed = _solve(able, room, burners, ovens, pins, bound_s) if able else ({}, [])
    done = [Scheduled(t, before(serve_at, starts[t.id]), before(serve_at, starts[t.id] - t.minutes))
            for tasks in dishes.values() for t in tasks if t.id in starts]  # fmt: skip
    done.sort(key=lambda s: (s.start, s.end, s.task.id))
    unpinned = set(pins) and _solve(able, room, burners, ovens, {}, bound_s)[1]
    problems = [
        Problem("no_appliance", name, f"{name} needs {what}, which your kitchen does not list: choose another way, or add it to the kitchen.")
        for name, what in lacking.items() if what
    ]  # fmt: skip
    for name in missed:
        own_pins = any(t.id in pins for t in dishes[name])
        if pins and name not in (unpinned or ()):
            which = "its own tasks" if own_pins else "the other dishes' tasks"
            problems.append(
                Problem("pinned", name, f"{name} cannot be done with {which} pinned where they are: let go of a pin.")
            )
        else:
            problems.append(_missed(name, dishes[name], room, serve_at, now))
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
    dishes: dict[str, list[Task]], room: int, burners: int, ovens: int, pins: dict[str, int], bound_s: float
) -> tuple[dict[str, int], list[str]]:
    """Minutes before serving at which each task starts, and the dishes left out. Time runs forward from 0 to `room` inside."""
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    start: dict[str, Any] = {}
    hands, on = [], {"burner": [], "oven": []}  # type: ignore[var-annotated]
    alone: dict[str, list[Any]] = {}
    cost = []
    kept = {}
    for name, tasks in dishes.items():
        keep = kept[name] = model.new_bool_var(name)
        cost.append(_LEFT_OUT * keep.negated())
        if any(t.minutes > room for t in tasks):
            model.add(keep == 0)
        ends = {t.id: t.minutes for t in tasks}
        for t in tasks:
            s = start[t.id] = model.new_int_var(0, max(0, room - t.minutes), t.id)
            if t.id in pins:
                model.add(s == room - pins[t.id]).only_enforce_if(keep)
            for other, most in t.waits:
                model.add(s <= start[other] + ends[other] + most).only_enforce_if(keep)
            if t.hands_on:
                hands.append(model.new_optional_fixed_size_interval_var(s, t.hands_on, keep, f"{t.id} hands"))
            whole = model.new_optional_fixed_size_interval_var(s, t.minutes, keep, f"{t.id} on") if t.resource else None
            if whole is not None:
                (on[t.resource] if t.resource in on else alone.setdefault(t.resource, [])).append(whole)
            for first in t.after:
                model.add(s >= start[first] + ends[first]).only_enforce_if(keep)
            if t.within is not None and t.after:
                last = t.after[-1]
                model.add(s <= start[last] + ends[last] + t.within).only_enforce_if(keep)
            if t.last:
                wait = model.new_int_var(0, room, f"{t.id} waits")
                model.add(wait == room - s - t.minutes).only_enforce_if(keep)
                model.add(wait <= t.holds).only_enforce_if(keep)
                cost.append(_WAIT * wait)
            early = model.new_int_var(0, room, f"{t.id} early")
            model.add(early == room - s).only_enforce_if(keep)
            cost.append(_EARLY * early)
    model.add_no_overlap(hands)
    model.add_cumulative(on["burner"], [1] * len(on["burner"]), burners)
    model.add_cumulative(on["oven"], [1] * len(on["oven"]), ovens)
    for intervals in alone.values():
        model.add_no_overlap(intervals)
    model.minimize(sum(cost))
    solver = cp_model.CpSolver()
    solver.parameters.max_time_in_seconds = bound_s
    solver.parameters.num_workers = 2
    solver.parameters.random_seed = 1
    status = solver.solve(model)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return {}, list(dishes)
    missed = [name for name, keep in kept.items() if not solver.boolean_value(keep)]
    return {
        t.id: room - solver.value(start[t.id]) for name, tasks in dishes.items() if name not in missed for t in tasks
    }, missed


def critical_minutes(tasks: list[Task]) -> int:
    """The shortest time a dish takes with all the hands and burners in the world."""
    ends: dict[str, int] = {}
    for t in tasks:
        ends[t.id] = max((ends[b] for b in t.after), default=0) + t.minutes
    return max(ends.values(), default=0)


def _missed(name: str, tasks: list[Task], room: int, serve_at: datetime, now: datetime | None) -> Problem:
    needs = critical_minutes(tasks)
    if needs <= room:
        return Problem(
            "crowded",
            name,
            f"{name} finds no free hands or burner before {serve_at:%H:%M}: serve later, use another burner, or leave a dish out.",
        )
    soak = sum(t.minutes for t in tasks if t.id.endswith("/soak") or "/sprout" in t.id)
    ways = []
    if soak and needs - soak <= room:
        ways.append("cook it without the soak")
    ways += ["take a quicker grain or a pressure cooker"] if needs - soak > 30 else []
    ready = before(now or before(serve_at, room), -needs)
    ways.append(f"serve at {ready:%H:%M}")
    return Problem(
        "too_late",
        name,
        f"{name} needs {needs} minutes and only {room} are left before {serve_at:%H:%M}: {', or '.join(ways)}.",
    )


def report(plan: Plan) -> dict[str, Any]:
    return {
        "schema": 1, "serve_at": plan.serve_at.isoformat(), "start_at": plan.start_at.isoformat() if plan.start_at else None,
        "tasks": [{"id": s.task.id, "what": s.task.what, "dish": s.task.dish, "start": s.start.isoformat(), "end": s.end.isoformat(),
                   "hands_on": s.task.hands_on, "resource": s.task.resource or "none"} for s in plan.tasks],
        "problems": [p.as_dict() for p in plan.problems],
    }  # fmt: skip
