"""A plan as a script for the stove: every step with one thing to do, its number, its sign, its cautions.

Minutes are kitchen minutes since the cooking began. A step's style says what the cook's hand has to do:
    do       a thing done with the hands; one touch when it is done
    begin    a thing that is set going and then runs by itself: one touch to begin, one when it is done
    follow   goes on by itself as soon as the step before it is done; one touch when it is done
    remind   comes up so many minutes into another step, and is ticked off
"""

from __future__ import annotations

import re
from dataclasses import asdict, dataclass, field, replace
from datetime import datetime
from typing import Any

from .. import cautions, preparing
from ..measures import jug_ml, round_half_up
from ..planning import Plan, Task
from ..planning.schedule import minutes_from
from ..pot import Pot
from ..pot.stages import stages
from ..pot.ways import cap
from ..reading.clauses import OWN_LOOK
from ..shifting import Shift

STYLES = ("do", "begin", "follow", "remind")
# the kettle must boil so long before the pot is looked at
KETTLE_MIN = 5
# cooked grain must be in the fridge within the hour
COOL_MIN = 60
_STIRRED = "stir every few minutes"
# at which kind of step a caution belongs; what is not here is said on the bench and the grain's page
_CAUTION_AT = {
    "kodo_mould": ("rinse", "soak", "boil"), "soak_warm": ("soak",), "sprouts": ("sprout", "boil"), "cloth": ("boil",),
    "microwave": ("boil",), "pressure": ("release", "boil"), "steam": ("cook", "rest"), "hot_fat": ("pan", "boil"), "count_out": ("finish",),
    "allergens": ("finish",), "cooling": ("keep",), "scald": ("cook", "rest"), "quick_foam": ("release",), "slow_cooker": ("boil",), "honey": ("finish",),
    "whole_nuts": ("finish",),
}  # fmt: skip
# what must be known before anything is begun
_CAUTION_FIRST = ("gluten_in", "kidney_beans")


@dataclass(frozen=True, slots=True)
class Step:
    """title: what to do, short. words: the recipe's own sentences for it. look: the sign that it is done. planned: the minute it
    is to start. anchor, offset: a reminder comes up so many minutes into that step (negative: before its end). pour_ml: to pour."""

    id: str
    dish: str
    kind: str
    style: str
    title: str
    minutes: int
    planned: int
    words: str = ""
    look: str = ""
    after: tuple[str, ...] = ()
    pot: str = ""
    pour_ml: int = 0
    reserve_ml: int = 0
    anchor: str = ""
    offset: int = 0
    hands: int = 0
    cautions: tuple[str, ...] = ()
    count_out: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Script:
    """serve: the minute at which all is to be on the table. pots: key → the solved pot that its steps name."""

    title: str
    serve: int
    steps: tuple[Step, ...]
    pots: dict[str, Pot] = field(default_factory=dict)

    def step(self, step_id: str) -> Step | None:
        return next((s for s in self.steps if s.id == step_id), None)

    def as_dict(self) -> dict[str, Any]:
        """Plain data that `script_from` reads back, without the pots: those are solved anew from their shifts."""
        return {"title": self.title, "serve": self.serve, "steps": [asdict(s) for s in self.steps]}


def script_from(data: dict[str, Any], pots: dict[str, Pot]) -> Script:
    """A script as it was kept. Fields a newer program has added take their defaults."""
    known = set(Step.__slots__)
    lists = ("after", "cautions", "count_out")
    kept: list[dict[str, Any]] = [
        {k: tuple(v) if k in lists else v for k, v in s.items() if k in known} for s in data["steps"]
    ]
    steps = tuple(Step(**s) for s in kept)
    return Script(data["title"], data["serve"], steps, pots)


def pots_of(shifts: dict[str, Shift]) -> dict[str, Pot]:
    """Every pot of these dishes under its key."""
    return {f"{dish}/{n + 1}": pot for dish, made in shifts.items() for n, pot in enumerate((made.pot, *made.aside))}


def script_of(shifts: dict[str, Shift], plan: Plan, began: datetime) -> Script:
    """The script of a plan that is begun at `began`; dishes that the plan left out are not in it."""
    steps: list[Step] = []
    pots: dict[str, Pot] = {}
    for dish, made in shifts.items():
        tasks = {s.task.id: (s.task, minutes_from(began, s.start)) for s in plan.tasks if s.task.dish == dish}
        if not tasks:
            continue
        pots |= pots_of({dish: made})
        steps += _Dish(made, dish, pots).steps(list(tasks.values()))
    steps.sort(key=lambda s: (s.planned, s.anchor != "", s.id))
    names = list(dict.fromkeys(s.dish for s in steps))
    return Script(_together(names), minutes_from(began, plan.serve_at), tuple(steps), pots)


def _together(names: list[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}" if names else ""


class _Dish:
    """The steps of one dish. `last` maps a task to the step that others wait for."""

    def __init__(self, made: Shift, dish: str, pots: dict[str, Pot]) -> None:
        self.made, self.dish, self.pots = made, dish, pots
        self.said = [(c.code, c.text) for c in cautions.for_shift(made)]
        self.told: set[str] = set()
        # the look is a card's own: it does not stand among the words of the pour
        self.texts = {s.was: " ".join(OWN_LOOK.sub("", s.text).split()) for s in made.method.steps if s.was}
        self.before, self.at, self.later = self._sentences()

    def _sentences(self) -> tuple[str, str, str]:
        """The recipe's own words before the pot, for the pot and after it, as rewritten; what is beside has its own step."""
        steps = self.made.recipe.steps
        heat = [s.index for s in steps if any(d.kind in ("heat", "from_start", "from_end") for d in s.durations)]
        beside = {
            s.index
            for s in steps
            if s.durations and all(d.kind == "other" for d in s.durations) and s.index not in heat
        }
        first, last = (heat[0], heat[-1]) if heat else (len(steps), len(steps))
        groups: tuple[list[str], list[str], list[str]] = ([], [], [])
        for s in steps:
            text = self.texts.get(s.text, "")
            if text and s.index not in beside:
                groups[0 if s.index < first else 1 if s.index <= last else 2].append(text)
        return " ".join(groups[0]), " ".join(groups[1]), " ".join(groups[2])

    def steps(self, tasks: list[tuple[Task, int]]) -> list[Step]:
        out: list[Step] = []
        last: dict[str, str] = {}
        for task, planned in tasks:
            made = self._of(task, planned, tuple(last.get(a, a) for a in task.after))
            last[task.id] = next(s.id for s in reversed(made) if s.style != "remind")
            out += made
        if self.before and not any(s.kind == "pan" for s in out):
            # a recipe whose first sentences have no minutes: they are read with the first pot
            i = next((i for i, s in enumerate(out) if s.kind == "boil"), None)
            if i is not None:
                out[i] = replace(out[i], words=f"{self.before} {out[i].words}".strip())
        first = min((s for s in out if not s.anchor), key=lambda s: (s.planned, s.id), default=None)
        return [replace(s, cautions=self._cautions(s, s is first)) for s in out]

    def _cautions(self, step: Step, first: bool) -> tuple[str, ...]:
        """Each caution is said once, at the first of its steps that this dish has; pressure and steam again where a lid comes off,
        and what the recipe's own words call for beside those words."""
        found = [c.text for c in cautions.for_words(step.words)]
        for code, text in self.said:
            at = step.kind in _CAUTION_AT.get(code, ()) or (first and code in _CAUTION_FIRST)
            if at and (code not in self.told or code in ("pressure", "steam")):
                self.told.add(code)
                found.append(text)
        return tuple(found)

    def _of(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        pot_key = t.id.rpartition("/")[0]
        if t.kind == "pot":
            return self._pot(t, planned, after, pot_key)
        if t.kind == "rest":
            return self._rest(t, planned, after, pot_key)
        if t.kind == "finish":
            return self._finish(t, planned, after)
        pot = self.pots.get(pot_key)
        words, look, style = "", "", "begin"
        if t.kind == "rinse" and pot:
            rinse = preparing.rinse(pot.grain)
            style, look = "do", rinse.sign if rinse else ""
        elif t.kind == "soak" and pot:
            look = preparing.soak(pot.grain, pot.way.soak_min, pot.kitchen.room_c).sign
            style = "follow" if after else "begin"
        elif t.kind == "sprout":
            look = "damp, never standing in water; no smell, no mould"
        elif t.kind == "dry":
            look = "it runs through the fingers and does not stick together"
        elif t.kind in ("pulse", "sift"):
            style, look = "do", "like semolina, never flour"
        elif t.kind == "roast" and pot:
            look = "it smells nutty"
            words = f"Dry, over low heat, stirring all the while: {pot.grain.roast.why}." if pot.grain.roast else ""
        elif t.kind == "pan":
            style, words = "do", self.before
        elif t.kind == "beside":
            number = int(re.search(r"beside(\d+)$", t.id).group(1)) - 1  # type: ignore[union-attr]
            source = next((s for s in self.made.recipe.steps if s.index == number), None)
            words = self.texts.get(source.text, source.text) if source else ""
        elif t.kind == "cool":
            look = "no steam, no warmth in the middle"
        title = cap(t.what) if t.kind != "beside" else f"{cap(_first_clause(words or t.what))}"
        if t.kind == "pan":
            title = "The pan first"
        return [
            Step(
                t.id,
                self.dish,
                t.kind,
                style,
                title,
                t.minutes,
                planned,
                words,
                look,
                after,
                pot_key if pot else "",
                hands=t.hands_on,
            )
        ]

    def _pot(self, t: Task, planned: int, after: tuple[str, ...], key: str) -> list[Step]:
        pot = self.pots[key]
        main = key.endswith("/1")
        parts = stages(pot)
        up, cook = round_half_up(pot.come_up_min), pot.cook_typical
        boil_id, cook_id = f"{t.id}/boil", f"{t.id}/cook"
        grain = pot.grain
        words = (
            f"{'Everything for the pot goes in.' if main and not self.made.own.line.cooked else ''} {cap(parts[0][0])}."
        )
        words = f"{self.at if main and self.at else words}".strip()
        out = [
            Step(boil_id, self.dish, "boil", "begin", f"Pour, and {pot.way.row.begin}", up, planned, words, pot.way.row.up_sign, after, key,
                 jug_ml(pot.pour_ml), hands=min(4, up)),
            Step(cook_id, self.dish, "cook", "follow", cap(parts[1][0]), cook, planned + up,
                 f"{_STIRRED.capitalize()}." if grain.is_meal and not pot.way.locked else "",
                 pot.way.row.hint if pot.way.locked else pot.sign, (boil_id,), key),
        ]  # fmt: skip
        if len(parts) > 3 and pot.way.row.power == "microwave":
            at = 0
            for what, minutes in parts[1:-2]:
                at += minutes
                out.append(self._reminder(f"{t.id}/stage{at}", cap(what), cook_id, at, planned + up + at, key))
        if main and not pot.way.locked:
            for n, (what, minute) in enumerate(self.made.method.additions):
                out.append(
                    self._reminder(f"{t.id}/add{n + 1}", f"In goes {what}", cook_id, minute, planned + up + minute, key)
                )
        reserve = pot.high_ml - pot.pour_ml
        if reserve >= 10 and pot.way.row.pours:
            at = max(0, cook - KETTLE_MIN)
            kettle = self._reminder(
                f"{t.id}/kettle", "Kettle on: have it boiling beside the pot", cook_id, at, planned + up + at, key
            )
            # a kettle is not filled to the millilitre
            out.append(replace(kettle, kind="kettle", reserve_ml=pot.kettle_ml))
        return out

    def _reminder(self, step_id: str, title: str, anchor: str, offset: int, planned: int, key: str) -> Step:
        return Step(
            step_id, self.dish, "add", "remind", title, 0, planned, pot=key, anchor=anchor, offset=offset, hands=1
        )

    def _rest(self, t: Task, planned: int, after: tuple[str, ...], key: str) -> list[Step]:
        pot = self.pots[key]
        release, rest = round_half_up(pot.release_min), round_half_up(pot.rest_min)
        out = []
        if release:
            title = "Let the pressure fall by itself" if pot.way.release == "natural" else "Let the pressure out"
            out.append(Step(f"{t.id}/release", self.dish, "release", "follow", title, release, planned, "", "the valve has dropped; never force the lid",
                            after, key))  # fmt: skip
            after = (out[0].id,)
        if rest or not out or pot.way.locked:
            title = "Open it, leave it a moment" if pot.way.locked else "Off the heat, lid closed"
            # a locked cooker can be looked into only now
            look = f"{pot.sign} Then loosen gently." if pot.way.locked else "then loosen gently"
            late = [what for what, _ in self.made.method.additions] if pot.way.locked and key.endswith("/1") else []
            words = f"What goes in late goes in now that it is open: {_together(late)}." if late else ""
            out.append(
                Step(
                    f"{t.id}/rest",
                    self.dish,
                    "rest",
                    "follow",
                    title,
                    max(1, rest),
                    planned + release,
                    words,
                    look,
                    after,
                    key,
                )
            )
        return out

    def _finish(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        finish = Step(t.id, self.dish, "finish", "do", "Finish, taste for salt, serve", t.minutes, planned, self.later, "", after,
                      hands=t.hands_on, count_out=tuple(self.made.recipe.count_out))  # fmt: skip
        keep = Step(f"{t.id}/keep", self.dish, "keep", "remind", "Is any left? Shallow, and into the fridge", 0, planned + t.minutes + COOL_MIN,
                    anchor=finish.id, offset=COOL_MIN, hands=2)  # fmt: skip
        return [finish, keep]


def _first_clause(text: str) -> str:
    clause = re.split(r"[.;:]|, then\b", text, maxsplit=1)[0].strip()
    words = clause.split()
    return clause if len(words) <= 9 else " ".join(words[:9]) + " …"
