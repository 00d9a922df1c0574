"""Writes tests/shared/stove-cases.json: cookings with touches of every kind, and what the core's fold makes of them.

The stove's page goes on without a network by a fold of its own; both are held to these cases (tests/core/test_cooking.py,
web/src/screens/stove/fold.test.ts). Written anew only when the rules of the fold are meant to change.
"""

from __future__ import annotations

import json
import random
import sys
from datetime import datetime
from pathlib import Path
from typing import Any

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))
from mealshift import cooking
from mealshift.cooking import Event, Script
from mealshift.cooking.report import report
from mealshift.planning import Dish, plan_dinner
from mealshift.reading import read
from mealshift.shifting import Choice

HERE = Path(__file__).resolve().parent.parent
OUT = HERE / "tests" / "shared" / "stove-cases.json"
NOW, SEVEN = datetime(2026, 11, 25, 17, 0), datetime(2026, 11, 25, 19, 0)
EACH = 8
# what the page needs of a step before anything was done
STATIC = (
    "id",
    "dish",
    "kind",
    "style",
    "title",
    "minutes",
    "pot",
    "pour_ml",
    "after",
    "anchor",
    "offset",
    "planned",
    "rank",
)
MOVED = ("status", "ready", "start", "due", "end")


def _demo(number: str) -> str:
    return next((HERE / "demo" / "recipes").glob(f"{number}*")).read_text(encoding="utf-8")


def scripts() -> dict[str, Script]:
    dinners = {
        "a pilaf": [Dish("01", read(_demo("01")), Choice("foxtail-millet"))],
        "a pressure cooker": [Dish("01", read(_demo("01")), Choice("barley-hulled", method="pressure"))],
        "a salad and a stirred pot": [
            Dish("05", read(_demo("05")), Choice("bulgur-coarse")),
            Dish("02", read(_demo("02")), Choice("barley-pearl")),
        ],
    }
    made = {name: plan_dinner(dishes, SEVEN, NOW, 3) for name, dishes in dinners.items()}
    return {name: cooking.script_of(d.shifts, d.plan, NOW) for name, d in made.items()}


def touches(script: Script, seed: int) -> tuple[list[Event], float]:
    """What a cook touches: mostly in order, now and then too early, twice, or taken back."""
    rng = random.Random(seed)
    minute, made = 0.0, []
    steps, pots = [s.id for s in script.steps], list(script.pots)
    patient = cooking.touches(script, [], 1000)
    for n in range(rng.randint(0, 24)):
        minute += rng.choice((0.0, 0.5, 2.25, 6.0, 11.5))
        if patient and rng.random() < 0.55:
            kind, data = (first := patient.pop(0)).kind, dict(first.data)
        else:
            kind = rng.choice(
                (
                    "begun",
                    "done",
                    "not_yet",
                    "poured",
                    "lid",
                    "undo",
                    "undo",
                    "out",
                    "note",
                    "wrong",
                    "whistle",
                    "whistle",
                )
            )
            data = {
                "begun": {"step": rng.choice(steps)},
                "done": {"step": rng.choice(steps)},
                "not_yet": {"step": rng.choice(steps), "minutes": 3.0},
                "poured": {"pot": rng.choice(pots), "ml": 60.0},
                "lid": {"pot": rng.choice(pots), "lid": rng.choice(("open", "ordinary"))},
                "undo": {"event": made[rng.randrange(len(made))].id if made else "none"},
                "out": {"thing": "2 bay leaves", "found": rng.random() < 0.7},
                "note": {"text": "more salt"},
                "wrong": {"pot": rng.choice(pots), "what": "salty"},
                "whistle": {"pot": rng.choice(pots)},
            }[kind]
        made.append(Event(f"e{n:02}", kind, minute, data))
    if rng.random() < 0.15:
        made.append(Event("e99", "ended", minute + 1, {}))
    return made, minute + rng.choice((0.0, 0.4, 5.0, 30.0))


def by_ear(script: Script) -> list[tuple[list[Event], float]]:
    """A cooker counted by ear: one whistle short of its number, at its number, one too many, and the last one taken back."""
    key, pot = next(iter(script.pots.items()))
    boil = next(s for s in script.steps if s.kind == "boil")
    heat = Event("on", "begun", boil.planned, {"step": boil.id})
    up = boil.planned + 9.0
    heard = [Event(f"w{n}", "whistle", up + 2.5 * n, {"pot": key}) for n in range(pot.whistles + 1)]
    undone = Event("back", "undo", up + 2.5 * pot.whistles, {"event": heard[pot.whistles - 1].id})
    counts = [heard[: pot.whistles - 1], heard[: pot.whistles], heard, [*heard[: pot.whistles], undone]]
    return [([heat, *some], up + 2.5 * pot.whistles + 1) for some in counts]


def expected(script: Script, events: list[Event], minute: float) -> dict[str, Any]:
    told = report(script, events, minute)
    return {
        "now": told["now"],
        "all_done": told["all_done"],
        "ended": told["ended"],
        "out": told["out"],
        "steps": {
            s["id"]: [s[f] if isinstance(s[f], str | None) else round(s[f], 3) for f in MOVED] for s in told["steps"]
        },
        "pots": {
            p["key"]: [p["on"], p["poured_ml"], p["top_ups_ml"], p["lid"], p["locked"], p["whistled"]]
            for p in told["pots"]
        },
    }


def cases() -> dict[str, Any]:
    out = {}
    for name, script in scripts().items():
        bare = report(script, [], 0)
        runs = []
        counted = by_ear(script) if any(p.whistles for p in script.pots.values()) else []
        for events, minute in [*(touches(script, seed) for seed in range(EACH)), *counted]:
            runs.append(
                {
                    "minute": minute,
                    "events": [{"id": e.id, "kind": e.kind, "minute": e.minute, "data": e.data} for e in events],
                    "expected": expected(script, events, minute),
                }
            )
        out[name] = {
            "steps": [{f: s[f] for f in STATIC} for s in bare["steps"]],
            "pots": [{f: p[f] for f in ("key", "pour_ml", "own_lid", "locks", "whistles")} for p in bare["pots"]],
            "runs": runs,
        }
    return out


if __name__ == "__main__":
    OUT.parent.mkdir(exist_ok=True)
    OUT.write_text(
        json.dumps(cases(), ensure_ascii=False, separators=(",", ":")).replace('{"minute"', '\n{"minute"') + "\n",
        encoding="utf-8",
    )
