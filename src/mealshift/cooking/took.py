"""How long things really took at the stove, for the next plan: the way up to pressure, and work that a recipe gives no minutes for.

    up:electric-pressure   so many times the reckoned come-up; the reckoning grows with what is in the cooker, this with what the cooker is
    by:until soft          minutes of work that was guessed by that sign

Taken from a cooking only where the cook's own touches say it: begun and done, or done right after what came before it. The middle of
the last few counts, so that one forgotten touch does not.
"""

from __future__ import annotations

import statistics
from collections.abc import Iterable

from ..measures import round_half_up
from .fold import Event, fold, in_order, ready_at, undone
from .script import Script

UP, BY = "up:", "by:"
# so many are needed before they are believed, and so many of the last are looked at
LEAST, LAST = 3, 5
# what lies outside was no work but a telephone call
UP_BOUNDS, BY_BOUNDS = (0.3, 3.0), (0.5, 45.0)


def took(script: Script, events: Iterable[Event]) -> list[tuple[str, float]]:
    """(key, value) of what this cooking has shown, in the order in which it was done."""
    ordered = in_order(events)
    gone = undone(ordered)
    touched = [e for e in ordered if e.id not in gone and e.kind in ("begun", "done")]
    state = fold(script, ordered)
    out: list[tuple[str, float]] = []
    before = 0.0
    for e in touched:
        step = script.step(str(e.data.get("step", "")))
        if e.kind == "done" and step is not None and state.steps[step.id].end == e.minute:
            begun = next((b.minute for b in touched if b.kind == "begun" and b.data.get("step") == step.id), None)
            pot = script.pots.get(step.pot)
            if step.kind == "boil" and pot is not None and pot.way.locked and begun is not None and pot.come_up_min:
                out.append(
                    (
                        f"{UP}{pot.way.method}",
                        (e.minute - begun) * pot.kitchen.up_share(pot.way.method) / pot.come_up_min,
                    )
                )
            elif step.by:
                ready = ready_at(script, state, step)
                out.append((f"{BY}{step.by}", e.minute - (begun if begun is not None else max(before, ready or 0.0))))
        before = e.minute
    return [(k, round(v, 2)) for k, v in out if _within(k, v)]


def _within(key: str, value: float) -> bool:
    low, high = UP_BOUNDS if key.startswith(UP) else BY_BOUNDS
    return low <= value <= high


def usual(rows: Iterable[tuple[str, float]]) -> tuple[tuple[str, float], ...]:
    """rows: (key, value), the latest last. What is believed by now of each key: the middle of the last few."""
    by: dict[str, list[float]] = {}
    for key, value in rows:
        by.setdefault(key, []).append(value)
    return tuple((key, statistics.median(values[-LAST:])) for key, values in sorted(by.items()) if len(values) >= LEAST)


def said(known: Iterable[tuple[str, float]]) -> list[str]:
    """What is believed, a sentence each."""
    out = []
    for key, value in known:
        kind, _, what = key.partition(":")
        if f"{kind}:" == UP:
            out.append(f"On the way up to pressure ({what.replace('-', ' ')}): {value:.1f} times as long as reckoned.")
        else:
            minutes = max(1, round_half_up(value))
            out.append(f"Work without minutes, “{what}”: {minutes} {'minute' if minutes == 1 else 'minutes'}.")
    return out
