"""A cooking that runs by itself: the touches of a patient cook who does everything when it is due. For the demo and for tests."""

from __future__ import annotations

from collections.abc import Iterable

from .fold import Event, fold, ready_at
from .script import Script


def touches(script: Script, events: Iterable[Event], until: float) -> list[Event]:
    """The events that cook would make up to minute `until`, after those there are. Ids are made from the step, so that two pages
    that ask at once make the same events."""
    have = {e.id: e for e in events}
    made: list[Event] = []
    for _ in range(4 * len(script.steps) + 4):
        state = fold(script, have.values())
        if state.ended is not None:
            return made
        nexts: list[tuple[float, str, str]] = []
        for step in script.steps:
            going = state.steps[step.id]
            if going.end is not None:
                continue
            if going.start is not None:
                nexts.append((going.due or 0.0, "done", step.id))
                continue
            ready = ready_at(script, state, step)
            if ready is None or step.kind == "keep":
                continue
            if step.style == "begin":
                nexts.append((ready, "begun", step.id))
            elif step.style in ("do", "remind"):
                nexts.append((ready + (step.minutes if step.style == "do" else 0), "done", step.id))
        nexts = [n for n in nexts if f"alone:{n[1]}:{n[2]}" not in have]
        if not nexts:
            return made
        minute, kind, step_id = min(nexts)
        # what the cook did late is not redone in the past
        minute = max(minute, state.last)
        if minute > until:
            return made
        event = Event(f"alone:{kind}:{step_id}", kind, round(minute, 3), {"step": step_id})
        have[event.id] = event
        made.append(event)
    return made
