"""What is recorded in corpus/recorded.txt: what a cook reads and what an evening is made of, for recipes of every kind.

Each of the texts of shifted.txt and the demo's recipes: the rewritten recipe, what was read of it, the account of its water and minutes with what the cook is asked, its tasks
(minutes, hands, what on, after what) and, for the demo's, the stove's steps. test_as_recorded.py holds the program to it, so that no number or sentence moves unseen.
And in corpus/pots.txt every grain by every one of its methods, each cooked in twenty ways. Where one is meant to, `make recorded` writes it anew: read the diff.
"""

from __future__ import annotations

import zlib
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Any

from mealshift import cooking, pipeline
from mealshift.cooking.script import Step
from mealshift.grains import Grain, all_grains
from mealshift.pipeline import read_once
from mealshift.planning import Dish, plan_dinner
from mealshift.planning.tasks import Task, tasks_of
from mealshift.pot import Factors, Kitchen, account, default_way, solve
from mealshift.problems import Refusal
from mealshift.recipe import Recipe
from mealshift.results import ShiftReport
from mealshift.shifting import Choice, as_it_is, shift
from mealshift.writing.text import recipe_alone

from .kitchen import DEMO_FILES
from .test_as_it_comes_out import CASES

OUT = Path(__file__).parent / "corpus" / "recorded.txt"
SEVEN, NOON = datetime(2026, 11, 25, 19, 0), datetime(2026, 11, 25, 12, 0)
# every dish of the demo to a quick grain, a slow one under pressure, and one that only stands in hot water
TO = (("quinoa", None), ("barley-pearl", "pressure"), ("couscous", None), ("sorghum", "rice-cooker"))


@dataclass(frozen=True)
class Record:
    name: str
    text: str
    to: str
    method: str | None
    stove: bool = False
    read: bool = True
    # so many times the plates
    times: float = 1.0

    @property
    def head(self) -> str:
        more = f" times {self.times:g}" if self.times != 1 else ""
        return f"%%% {self.name} → {self.to}{f' by {self.method}' if self.method else ''}{more}"

    @property
    def choice(self) -> Choice:
        plates = (read_once(self.text).servings or 1.0) * self.times if self.times != 1 else None
        return Choice(self.to, method=self.method, servings=plates)

    def lines(self) -> list[str]:
        if not self.to:
            made = as_it_is(read_once(self.text))
            return [self.head, *map(_task, tasks_of(made, "d"))]
        recipe = read_once(self.text)
        made = pipeline.whole_way(self.text, self.choice)
        out = [self.head, recipe_alone(made).rstrip()]
        if self.read:
            out += ["--- read", *_read(recipe)]
        out += ["--- account", *_account(made)]
        out += [f"because {s['reason']}" for s in made["steps"] if s["reason"]]
        out += ["--- tasks", *map(_task, tasks_of(shift(recipe, self.choice), "d"))]
        if self.stove:
            dinner = plan_dinner([Dish("d", read_once(self.text), self.choice)], SEVEN, NOON, 3)
            script = cooking.script_of(dinner.shifts, dinner.plan, NOON)
            out += ["--- stove", *(_step(s).replace(f"{s.dish}/", "d/") for s in script.steps)]
        return out


def records() -> list[Record]:
    out = [Record(c.name, c.text, c.slug, c.method) for c in CASES]
    for file in DEMO_FILES:
        text = file.read_text(encoding="utf-8")
        out += [Record(file.stem, text, to, method, True, n == 0) for n, (to, method) in enumerate(TO)]
        out.append(Record(file.stem, text, "quinoa", None, read=False, times=2.0))
        out.append(Record(file.stem, text, "", None))
    return out


def _told(**said: object) -> str:
    return " ".join(f"{k}={v}" for k, v in said.items() if v not in ("", None, 0, (), False))


def _read(recipe: Recipe) -> Iterator[str]:
    yield _told(
        way=recipe.method,
        dish=recipe.dish,
        serves=recipe.servings,
        heat=recipe.simmer_min,
        rest=recipe.rest_min,
        soak=recipe.soak_min,
    )
    for ln in recipe.lines:
        of = _told(grain=ln.grain, ml=_whole(ln.ml), g=_whole(ln.g), water=_whole(ln.water), section=ln.section)
        yield f"{ln.role} {of} | {ln.text}"
    for step in recipe.steps:
        for d in step.durations:
            yield f"{d.kind} {d.low:g}-{d.high:g} in {step.index + 1} | {d.text}"
    for doubt in recipe.doubts:
        yield f"? {doubt.field} {len(doubt.choices)} | {doubt.where}"


def _account(made: ShiftReport) -> Iterator[str]:
    """Of each pot where its water and its minutes come from; then what is noted of the whole."""
    for pot in made["pots"]:
        yield "water: " + "; ".join(
            " ".join(filter(None, (r["term"], str(r["ml"]), r["where"] and f"({r['where']})"))) for r in pot["ledger"]
        )
        yield "minutes: " + "; ".join(f"{r['term']} {r['min']}" for r in pot["time_ledger"])
    for p in made["problems"]:
        yield f"! {p['code']} | {p['text']}"


def _whole(x: float | None) -> int | None:
    return None if x is None else round(x)


def _task(t: Task) -> str:
    waits = ",".join(f"{i}+{n}" for i, n in t.waits)
    of = _told(
        on=t.resource, needs=t.needs, after=",".join(t.after), within=t.within, waits=waits, holds=t.holds, last=t.last
    )
    return f"{t.id} {t.kind} {t.minutes}/{t.hands_on} {of} | {t.what}"


def _step(s: Step) -> str:
    of = _told(anchor=s.anchor, offset=s.offset, pour=s.pour_ml, kept=s.reserve_ml, key=s.key, after=",".join(s.after))
    told = " ; ".join((s.title, *s.goes_in, *s.count_out, *s.cautions))
    return f"{s.id} {s.kind} {s.style} {s.minutes} at {s.planned} {of} | {told} | {s.look}"


def told(r: Record) -> str:
    try:
        return "\n".join(r.lines())
    except Refusal as refused:
        return f"{r.head}\nrefused: {refused.problem.text}"


# ways of cooking one pot otherwise, each of them alone: what does not go with a grain or a method is recorded as the refusal it is
POTS: tuple[dict[str, Any], ...] = (
    {},
    {"soak_min": 30.0},
    {"soak_min": 480.0, "soak_water": "kept"},
    {"sprouted": True},
    {"roast": "dry"},
    {"roast": "fat"},
    {"lid": "open"},
    {"lid": "sealed"},
    {"heat": "brisk"},
    {"age": "old"},
    {"texture": "soft"},
    {"texture": "porridge"},
    {"release": "quick"},
    {"whistles": 3},
    {"kitchen": Kitchen(altitude_m=2000, boil_off=1.3, room_c=12, watts=1000)},
    {"kitchen": Kitchen(pot_cm=14, pot_l=0.7)},
    {"kitchen": Kitchen(pot_cm=32, burner_w=1200, took=(("rest", 1.2),))},
    {"factors": Factors(1.1, 0.9, 1.2)},
    {"ml": 30.0, "habit_ml": 40.0, "habit_min": 3.0},
    {"ml": 900.0, "finish_min": 10.0, "before_min": 5.0},
)
POTS_OUT = OUT.with_name("pots.txt")


def pots(g: Grain) -> list[str]:
    """A grain by each of its methods: the plain pot's water and minutes, and the sum of all that is told of it in every other way of POTS."""
    return [
        f"{g.slug} by {m} | {_plain(g, m)} | {zlib.crc32(repr([_pot(g, m, **w) for w in POTS]).encode()):08x}"
        for m in g.methods
    ]


def _plain(g: Grain, method: str) -> str:
    pot = solve(g, 240.0, default_way(g, method))
    return f"{pot.low_ml}-{pot.pour_ml}-{pot.high_ml} ml, {pot.come_up_min:.0f}+{pot.cook_typical}+{pot.release_min:.0f}+{pot.rest_min:.0f} min"


def _pot(
    g: Grain,
    method: str,
    ml: float = 240.0,
    kitchen: Kitchen | None = None,
    factors: Factors | None = None,
    **more: Any,
) -> Any:
    sums = {k: more.pop(k) for k in ("habit_ml", "habit_min", "finish_min", "before_min") if k in more}
    try:
        pot = solve(g, ml, default_way(g, method, **more), kitchen, factors, **sums)
    except Refusal as refused:
        return refused.problem.text
    in_cups = account.report(pot, "cup", 237.0), account.kettle_said(pot.kettle_ml, "cup", 237.0)
    return account.report(pot), in_cups, round(pot.bears_ml, 6), pot.swims, pot.creamy, [p.text for p in pot.problems]


if __name__ == "__main__":
    POTS_OUT.write_text("\n".join(line for g in all_grains() for line in pots(g)) + "\n", encoding="utf-8")
    OUT.write_text("\n".join(map(told, records())) + "\n", encoding="utf-8")
