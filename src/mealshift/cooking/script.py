"""A plan as a script for the stove: every step with one thing to do, its number, its sign, its cautions, and what goes in now.

The words of a step are its act's own (planning/acts.py), from the text as rewritten; the numbers are the plan's and the pot's.

Minutes are kitchen minutes since the cooking began. A step's style says what the cook's hand has to do:
    do       a thing done with the hands; one touch when it is done
    begin    a thing that is set going and then runs by itself: one touch to begin, one when it is done
    follow   goes on by itself as soon as the step before it is done; one touch when it is done
    remind   comes up so many minutes into another step, and is ticked off
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import asdict, dataclass, field, replace
from datetime import datetime
from typing import Any

from .. import cautions, preparing
from ..measures import jug_ml, round_half_up
from ..planning import Plan, Task
from ..planning.acts import Act, acts_of
from ..planning.schedule import minutes_from
from ..planning.tasks import act_title, is_stirred, title_of
from ..pot import Pot
from ..pot.stages import resting, stages
from ..pot.ways import cap
from ..quick import lazy
from ..results import Style
from ..shifting import AsItIs, Shift
from ..shifting.backwards import carriers
from ..shifting.sentences import not_loose

STYLES = ("do", "begin", "follow", "remind")
# the kettle must boil so long before the pot is looked at
KETTLE_MIN = 5
# cooked grain must be in the fridge within the hour
COOL_MIN = 60
# a meal, or a dish stirred to a cream, is stirred about so often
STIR_EVERY_MIN = 5
# shorter things are done by eye, with one touch
TIMED_FROM_MIN = 3
# the sign of what went in raw; usual advice for all of it that is cooked through
_DONE = "no pink in the thickest piece, clear juices, 74 °C in the middle"
_STIR = "Stir, down to the bottom of the pot"
# at which kind of step a caution belongs; what is not here is said on the bench and the grain's page
_CAUTION_AT = {
    "kodo_mould": ("rinse", "soak", "boil"),
    "soak_warm": ("soak",),
    "sprouts": ("sprout", "boil"),
    "cloth": ("boil",),
    "microwave": ("boil",),
    "pressure": ("release", "boil"),
    "steam": ("cook", "rest"),
    "hot_fat": ("act", "boil"),
    "count_out": ("finish",),
    "allergens": ("finish",),
    "cooling": ("warm", "keep"),
    "cooling_dish": ("keep",),
    "scald": ("cook", "rest"),
    "quick_foam": ("release",),
    "slow_cooker": ("boil",),
    "honey": ("finish",),
    "whole_nuts": ("finish",),
}
# what must be known before anything is begun
_CAUTION_FIRST = ("gluten_in", "kidney_beans", "raw_meat")


@dataclass(frozen=True, slots=True)
class Step:
    """title: what to do, short. words: the recipe's own sentences for it. look: the sign that it is done. planned: the minute it
    is to start. anchor, offset: a reminder comes up so many minutes into that step (negative: before its end). pour_ml: to pour. goes_in: the lines of
    the new list that go in with it. part: the heading under which it is a dish of its own. key: what the cook
    touches when it is done, where the way of cooking has its own word. by: the sign by which its minutes were
    guessed."""

    id: str
    dish: str
    kind: str
    style: Style
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
    goes_in: tuple[str, ...] = ()
    part: str = ""
    key: str = ""
    by: str = ""


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
    lists = ("after", "cautions", "count_out", "goes_in")
    kept: list[dict[str, Any]] = [
        {k: tuple(v) if k in lists else v for k, v in s.items() if k in known} for s in data["steps"]
    ]
    steps = tuple(Step(**s) for s in kept)
    return Script(data["title"], data["serve"], steps, pots)


def pots_of(shifts: dict[str, Shift | AsItIs]) -> dict[str, Pot]:
    """Every pot of these dishes under its key."""
    return {
        f"{dish}/{n + 1}": pot
        for dish, made in shifts.items()
        if isinstance(made, Shift)
        for n, pot in enumerate((made.pot, *made.aside))
    }


def script_of(shifts: dict[str, Shift | AsItIs], plan: Plan, began: datetime) -> Script:
    """The script of a plan that is begun at `began`; dishes that the plan left out are not in it."""
    steps: list[Step] = []
    pots: dict[str, Pot] = {}
    for dish, made in shifts.items():
        tasks = {s.task.id: (s.task, minutes_from(began, s.start)) for s in plan.tasks if s.task.dish == dish}
        if not tasks:
            continue
        pots |= pots_of({dish: made})
        steps += (_Dish(made, dish, pots) if isinstance(made, Shift) else _AsItIs(made, dish)).steps(
            list(tasks.values())
        )
    steps.sort(key=lambda s: (s.planned, s.anchor != "", s.id))
    names = list(dict.fromkeys(s.dish for s in steps))
    return Script(_together(names), minutes_from(began, plan.serve_at), tuple(steps), pots)


def _together(names: list[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}" if names else ""


# what is made ready is not in the pot yet
_READIES = ("rinse", "soak", "sprout", "dry", "pulse", "sift", "roast")
_IN_PARTS = lazy(r"\b(?:half|rest of|remain\w*|other|another|more|some|little|extra|again|last|divided)\b", re.I)


class _Steps:
    """The steps of one dish. `last` maps a task to the step that others wait for."""

    def __init__(self, made: Shift | AsItIs, dish: str) -> None:
        self.recipe, self.dish = made.recipe, dish
        self.said = [(c.code, c.text) for c in cautions.for_dish(made)]
        self.told: set[str] = set()
        self.lines = _new_lines(made)

    def steps(self, tasks: list[tuple[Task, int]]) -> list[Step]:
        out: list[Step] = []
        last: dict[str, str] = {}
        for task, planned in tasks:
            made = self._of(task, planned, tuple(last.get(a, a) for a in task.after))
            last[task.id] = next(s.id for s in reversed(made) if s.style != "remind")
            out += made
        first = min((s for s in out if not s.anchor), key=lambda s: (s.planned, s.id), default=None)
        return _once([replace(s, cautions=self._cautions(s, s is first)) for s in out])

    def _cautions(self, step: Step, first: bool) -> tuple[str, ...]:
        """Each caution is said once, at the first of its steps that this dish has; pressure and steam again where a lid comes off,
        and what the recipe's own words call for beside those words."""
        found = [c.text for c in cautions.for_words(step.words)]
        for code, text in self.said:
            at = step.kind in _CAUTION_AT.get(code, ()) or (first and code in _CAUTION_FIRST)
            if at and (code not in self.told or code in ("pressure", "steam", "cooling")):
                self.told.add(code)
                found.append(text)
        return tuple(found)

    def _in(self, lines: Iterable[int]) -> tuple[str, ...]:
        return tuple(self.lines[i] for i in lines if self.lines.get(i))

    def _act(self, t: Task, act: Act, planned: int, after: tuple[str, ...]) -> list[Step]:
        """What has minutes runs against the clock: one touch to begin it, one when it is done. What has none is simply done."""
        style: Style = "begin" if t.minutes >= TIMED_FROM_MIN and (act.timed or t.hands_on < t.minutes) else "do"
        title = act_title(act)
        # a card whose title says it all does not say it twice
        words = "" if act.words.rstrip(".!") == title else act.words
        made = Step(
            t.id,
            self.dish,
            "act",
            style,
            title,
            t.minutes,
            planned,
            cap(words.removeprefix("Look: ")),
            _DONE if act.kind == "cook_on" else "",
            after,
            hands=t.hands_on,
            goes_in=self._in(act.lines),
            part=act.part,
            by=act.by,
        )
        midway = [
            replace(
                self._reminder(f"{t.id}/mid{minute}", title_of(said), t.id, minute, planned + minute, ""), kind="stir"
            )
            for minute, said in (act.midway if style == "begin" else ())
        ]
        return [made, *midway]

    def _finish(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        words = t.act.words if t.act else ""
        finish = Step(
            t.id,
            self.dish,
            "finish",
            "do",
            "Finish, taste for salt, serve",
            t.minutes,
            planned,
            words,
            "",
            after,
            hands=t.hands_on,
            count_out=tuple(self.recipe.count_out),
            goes_in=self._in(t.act.lines) if t.act else (),
        )
        keep = Step(
            f"{t.id}/keep",
            self.dish,
            "keep",
            "remind",
            "Is any left? Shallow, and into the fridge",
            0,
            planned + t.minutes + COOL_MIN,
            anchor=finish.id,
            offset=COOL_MIN,
            hands=2,
        )
        return [finish, keep]

    def _reminder(self, step_id: str, title: str, anchor: str, offset: int, planned: int, key: str) -> Step:
        return Step(
            step_id, self.dish, "add", "remind", title, 0, planned, pot=key, anchor=anchor, offset=offset, hands=1
        )

    def _of(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        raise NotImplementedError


def _once(steps: list[Step]) -> list[Step]:
    """What is in the pot does not go in again where a later card only names it; half of a thing, and the rest of it, go in twice."""
    there: set[str] = set()
    out = {}
    for s in sorted(steps, key=lambda s: (s.planned, s.id)):
        part = _IN_PARTS.search(f"{s.title} {s.words}")
        out[s.id] = replace(s, goes_in=tuple(x for x in s.goes_in if part or x not in there))
        if s.kind not in _READIES:
            there |= set(s.goes_in)
    return [out[s.id] for s in steps]


class _AsItIs(_Steps):
    """A dish without a grain: acts, and the finish."""

    def _of(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        if t.kind == "finish":
            return self._finish(t, planned, after)
        return self._act(t, t.act or Act("act", t.what), planned, after)


class _Dish(_Steps):
    """With the grain's own cards between the recipe's."""

    def __init__(self, made: Shift, dish: str, pots: dict[str, Pot]) -> None:
        super().__init__(made, dish)
        self.made, self.pots = made, pots
        self.acts = acts_of(made)

    def _of(self, t: Task, planned: int, after: tuple[str, ...]) -> list[Step]:
        pot_key = t.id.rpartition("/")[0]
        if t.kind == "pot":
            return self._pot(t, planned, after, pot_key)
        if t.kind in ("rest", "release"):
            return self._rest(t, planned, after, pot_key)
        if t.kind == "finish":
            return self._finish(t, planned, after)
        if t.act is not None and t.kind == "act":
            return self._act(t, t.act, planned, after)
        pot = self.pots.get(pot_key)
        main = pot_key.endswith("/1")
        words, look = "", ""
        style: Style = "begin"
        goes_in: tuple[str, ...] = ()
        told = self.acts.ready.get(t.kind) if main else None
        if t.kind == "rinse" and pot:
            rinse = preparing.rinse(pot.grain)
            style, look = "do", rinse.sign if rinse else ""
            goes_in = self._grain(pot, main)
        elif t.kind == "soak" and pot:
            look = preparing.soak(pot.grain, pot.way.soak_min, pot.kitchen.room_c).sign
            style = "follow" if after else "begin"
            goes_in = () if after else self._grain(pot, main)
        elif t.kind == "sprout":
            look = "damp, never standing in water; no smell, no mould"
        elif t.kind == "dry":
            look = "it runs through the fingers and does not stick together"
        elif t.kind in ("pulse", "sift"):
            style, look = "do", "like semolina, never flour"
        elif t.kind == "roast" and pot:
            look = "it smells nutty"
            words = f"Dry, over low heat, stirring all the while: {pot.grain.roast.why}." if pot.grain.roast else ""
        elif t.kind == "cool":
            look = (
                "no steam, no warmth in the middle; into the fridge within the hour"
                if pot and pot.way.method == "cook-ahead"
                else "no steam, no warmth in the middle"
            )
            words = t.act.words if t.act else ""
        elif t.kind == "warm":
            look = "steaming hot all through"
        return [
            Step(
                t.id,
                self.dish,
                t.kind,
                style,
                cap(t.what),
                t.minutes,
                planned,
                told.words if told else words,
                look,
                after,
                pot_key if pot else "",
                hands=t.hands_on,
                goes_in=goes_in,
            )
        ]

    def _grain(self, pot: Pot, main: bool) -> tuple[str, ...]:
        """The grain itself, as the list says it where it says so."""
        source = self.made.recipe.source
        if main and not self.made.own.line.cooked and source is not None and (said := self.lines.get(source)):
            return (said,)
        return (f"{round_half_up(pot.dry_g)} g {pot.grain.short}",)

    def _pot(self, t: Task, planned: int, after: tuple[str, ...], key: str) -> list[Step]:
        pot = self.pots[key]
        main = key.endswith("/1")
        parts, cooking = stages(pot), self.acts.cooking
        own = main and not self.made.own.line.cooked
        up = round_half_up(pot.come_up_min)
        early = cooking.early if main else None
        wait = early.minutes if early else 0
        cook = t.minutes - up - wait
        boil_id, cook_id = f"{t.id}/boil", f"{t.id}/cook"
        words = cooking.pour.words if own and cooking.pour.words else f"{cap(parts[0][0])}."
        goes_in = self._in(cooking.pour.lines) if own else self._grain(pot, main)
        if own and self.made.recipe.source not in {
            i for a in (*self.acts.before, cooking.pour, cooking.cook) for i in a.lines
        }:
            # no clause puts it in by name: it goes in here
            goes_in = (*goes_in, *self._grain(pot, main))
        poured = own and self._poured_before()
        title = cap(pot.way.row.begin) if poured else f"Pour, and {pot.way.row.begin}"
        out = [
            Step(
                boil_id,
                self.dish,
                "boil",
                "begin",
                title,
                up,
                planned,
                words,
                pot.way.row.up_sign,
                after,
                key,
                0 if poured else jug_ml(pot.pour_ml),
                hands=min(4, up),
                goes_in=goes_in,
                key=pot.way.row.up_key,
            )
        ]
        at = planned + up
        if early:
            out.append(
                Step(
                    f"{t.id}/early",
                    self.dish,
                    "early",
                    "follow",
                    title_of(early.words),
                    wait,
                    at,
                    early.words,
                    "",
                    (boil_id,),
                    key,
                )
            )
            at += wait
        told = cooking.cook.words if own and not pot.way.locked else ""
        in_now = self._in(i for i in cooking.cook.lines if own and i not in cooking.pour.lines)
        out.append(
            Step(
                cook_id,
                self.dish,
                "cook",
                "follow",
                cap(parts[1][0]),
                cook,
                at,
                told,
                pot.way.row.hint if pot.way.locked else pot.sign,
                (out[-1].id,),
                key,
                goes_in=in_now,
                key=pot.way.row.cook_key,
            )
        )
        if len(parts) > 3 and pot.way.row.power == "microwave":
            done = 0
            for what, minutes in parts[1:-2]:
                done += minutes
                out.append(self._reminder(f"{t.id}/stage{done}", cap(what), cook_id, done, at + done, key))
        if main and not pot.way.locked:
            out += self._during(t, cook, cook_id, at, key)
        reserve = pot.high_ml - pot.pour_ml
        if reserve >= 10 and pot.way.row.pours:
            when = max(0, cook - KETTLE_MIN)
            kettle = self._reminder(
                f"{t.id}/kettle", "Kettle on: have it boiling beside the pot", cook_id, when, at + when, key
            )
            # a kettle is not filled to the millilitre
            out.append(replace(kettle, kind="kettle", reserve_ml=pot.kettle_ml))
        return out

    def _poured_before(self) -> bool:
        """Did the water go in with an earlier act ("simmer the lentils in the water")? It is not poured twice."""
        mine = {ln.index for ln in carriers(self.made.recipe)}
        before = {i for a in self.acts.before for i in a.lines}
        return bool(mine) and mine <= before and not mine & set(self.acts.cooking.pour.lines)

    def _during(self, t: Task, cook: int, cook_id: str, at: int, key: str) -> list[Step]:
        """What goes in, is turned or stirred while it cooks, each at its minute."""
        out = []
        for n, g in enumerate(self.acts.cooking.adds):
            minute = min(g.minute, cook)
            step = self._reminder(f"{t.id}/add{n + 1}", title_of(g.words), cook_id, minute, at + minute, key)
            words = "" if g.words.rstrip(".!") == step.title else g.words
            out.append(replace(step, words=words, goes_in=self._in(g.lines)))
        # a grain of a blend that starts later
        late = {g.name for g, _ in self.made.plan.late}
        for n, (what, minute) in enumerate(x for x in self.made.method.additions if x[0] in late):
            out.append(self._reminder(f"{t.id}/late{n + 1}", f"In goes {what}", cook_id, minute, at + minute, key))
        every = _stir_every(self.made)
        if every:
            known = {s.offset for s in out}
            for minute in range(every, cook - 1, every):
                if not known & {minute - 1, minute, minute + 1}:
                    stir = self._reminder(f"{t.id}/stir{minute}", _STIR, cook_id, minute, at + minute, key)
                    out.append(replace(stir, kind="stir"))
        return out

    def _rest(self, t: Task, planned: int, after: tuple[str, ...], key: str) -> list[Step]:
        pot = self.pots[key]
        release, rest = round_half_up(pot.release_min), round_half_up(pot.rest_min)
        # what the recipe does when it is open, and then lets stand: opened by a task of its own, the rest by another
        opens, opened = t.kind == "release", pot.way.locked and t.kind == "rest" and t.minutes < release + rest
        release = 0 if opened else release
        own = key.endswith("/1") and not self.made.own.line.cooked
        told = (
            next((a.words for a in (self.acts.cooking.rest, *self.acts.after) if a.kind == "rest" and a.words), "")
            if own
            else ""
        )
        out = []
        if release:
            title = "Let the pressure fall by itself" if pot.way.release == "natural" else "Let the pressure out"
            out.append(
                Step(
                    f"{t.id}/release",
                    self.dish,
                    "release",
                    "follow",
                    title,
                    release,
                    planned,
                    "",
                    "the valve has dropped; never force the lid",
                    after,
                    key,
                )
            )
            after = (out[0].id,)
        if rest or not out or pot.way.locked:
            title = "Open it, and look" if opens else "Lid on, leave it a moment" if opened else cap(resting(pot))
            # a locked cooker can be looked into only now
            loose = (
                ""
                if not_loose(pot, self.made.recipe.dish) or re.search(r"\b(?:loosen|fluff)", told)
                else "then loosen gently"
            )
            first_look = pot.way.locked and not opened
            look = pot.sign if opens else f"{pot.sign} {cap(loose)}.".replace(" .", "") if first_look else loose
            late = self.acts.cooking.adds if first_look and own else ()
            words = (
                f"What goes in late goes in now that it is open. {' '.join(g.words for g in late)}"
                if late
                else ""
                if first_look
                else told
            )
            out.append(
                Step(
                    f"{t.id}/rest",
                    self.dish,
                    "rest",
                    "follow",
                    title,
                    max(1, t.minutes - release if opens else rest),
                    planned + release,
                    words,
                    look,
                    after,
                    key,
                    goes_in=self._in(i for g in late for i in g.lines),
                )
            )
        return out


_EVERY = lazy(r"\b(?:stir\w*|turn\w*|whisk\w*)\b[^.;]{0,30}?\bevery (?:(?P<n>\d+) ?)?(?P<few>few )?min", re.I)


def _stir_every(made: Shift) -> int:
    """Minutes between two stirs: the recipe's own rhythm, else that of a meal or of a dish stirred to a cream; 0 for what is left alone."""
    told = next((m for s in made.method.steps if (m := _EVERY.search(s.text))), None)
    if told:
        return max(2, int(told["n"])) if told["n"] else STIR_EVERY_MIN
    pot = made.pot
    open_pot = pot.way.method in ("covered", "open") and pot.way.row.pours
    return STIR_EVERY_MIN if open_pot and (pot.grain.is_meal or is_stirred(made)) else 0


def _new_lines(made: Shift | AsItIs) -> dict[int, str]:
    """The shifted list's line for each line of the recipe."""
    out: dict[int, str] = {}
    left = list(made.lines)
    for ln in made.recipe.lines:
        found = next((new for new in left if new.was == ln.text), None)
        if found is not None:
            left.remove(found)
            if found.text:
                out[ln.index] = found.text
    return out
