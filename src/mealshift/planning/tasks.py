"""A shift as tasks: how long, how much of it with the hands, on what, after what, and how long it may wait.

They are a view of the target's Process (acts.py): the track's own tasks (rinse, soak, the pot, its rest, cooling), and between them every act of the recipe, in its
order; what runs beside the pot ends before its things are used. Times are whole minutes.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from .. import preparing
from ..measures import round_half_up
from ..pot import Pot
from ..pot.ways import cap
from ..quick import lazy
from ..recipe import Recipe
from ..shifting import AsItIs, Shift
from .acts import Act, Acts, acts_as_it_is, acts_of, cools

# a closed pot holds warm about so long; soaked grain may wait in the fridge, drained grain not long
HOLD_MIN = 30
AFTER_SOAK_MIN = 60
AFTER_ROAST_MIN = 15
# what is fried for the pot stands in it so long at most
AFTER_ACT_MIN = 20
# grain to be fried must be cold through: at least so long in the fridge after it has cooled
CHILL_MIN = 60
FINISH_MIN = 3
# a lid that came down is opened and looked under in so long
OPEN_MIN = 1
# what was cooked ahead is steaming hot again after so long
WARM_MIN = 3
# what is eaten cold may be ready so long before
HOLD_COLD_MIN = 240


@dataclass(frozen=True, slots=True)
class Task:
    """hands_on: minutes of hands from its start. resource: burner, oven, an appliance, or "" for none.
    after: ids that must have ended; within: at most so many minutes after the last of them; waits: at most so many minutes after each
    of these. holds: it may wait hot so long. kind: rinse, soak, sprout, dry, pulse, sift, roast, act, pot, rest, cool, chill, beans, finish. needs: what
    must be owned beside the resource. act: what of the recipe it is."""

    id: str
    what: str
    dish: str
    minutes: int
    hands_on: int
    resource: str = ""
    after: tuple[str, ...] = ()
    within: int | None = None
    holds: int = 0
    last: bool = False
    kind: str = ""
    waits: tuple[tuple[str, int], ...] = ()
    needs: str = ""
    act: Act | None = None

    @property
    def part(self) -> str:
        """The heading under which it is a dish of its own; "" for the dish itself."""
        return self.act.part if self.act else ""


def tasks_of(shift: Shift | AsItIs, dish: str) -> list[Task]:
    """The tasks of one dish, in order; ids are unique within a plan if the dish names are."""
    if isinstance(shift, AsItIs):
        return [*(beans := _beans(shift.recipe, dish)), *_as_it_is(shift, dish, beans)]
    made = _Dish(shift, dish, acts_of(shift))
    made.main()
    for n, pot in enumerate(shift.aside):
        made.aside(pot, f"{dish}/{n + 2}")
    made.finish()
    out = made.out
    if beans := _beans(shift.recipe, dish):
        out = [*beans, *(replace(t, after=(*t.after, beans[-1].id)) if t.kind == "pot" else t for t in out)]
    return out


def _as_it_is(made: AsItIs, dish: str, beans: list[Task]) -> list[Task]:
    """A dish without a grain: its acts one after the other, what runs by itself beside them, and the finish."""
    acts = list(acts_as_it_is(made))
    # what comes last is the finishing
    end = acts.pop() if acts and not acts[-1].timed and not acts[-1].resource else None
    out: list[Task] = []
    beside: list[Task] = []
    last: tuple[str, ...] = tuple(t.id for t in beans[-1:])
    for n, act in enumerate(acts):
        hot = tuple(t.id for t in beside if act.resource == "oven" and t.act and t.act.kind == "preheat")
        used = tuple(t.id for t in beside if t.act and set(t.act.lines) & set(act.lines))
        after = last if not act.beside else ()
        beside = [t for t in beside if t.id not in (*hot, *used)]
        task = Task(
            f"{dish}/do{n + 1}",
            title_of(act.words),
            dish,
            act.minutes,
            min(act.minutes, act.hands),
            act.resource,
            tuple(dict.fromkeys((*hot, *used, *after))),
            AFTER_ACT_MIN if act.resource and (hot or after) else None,
            kind="act",
            act=act,
        )
        out.append(task)
        if act.beside:
            beside.append(task)
        else:
            last = (task.id,)
    fired = [a for a in acts if a.resource]
    # what never was hot, or was cooled again, can stand a good while
    hot_still = bool(fired) and not any(a.kind in ("cool", "chill") for a in acts[acts.index(fired[-1]) :])
    holds = HOLD_MIN if hot_still else HOLD_COLD_MIN
    minutes = max(FINISH_MIN, end.minutes if end else 0)
    out.append(
        Task(
            f"{dish}/finish",
            "finish and taste",
            dish,
            minutes,
            minutes,
            after=(*(t.id for t in beside), *last),
            holds=holds,
            last=True,
            kind="finish",
            act=end,
            waits=tuple((i, holds) for i in last),
        )
    )
    return out


def title_of(words: str) -> str:
    """The first clause of a card's words, short enough to be its title."""
    words = cap(words.removeprefix("Look: "))
    clause = re.split(r"[.;:!?](?=\s|$)", words, maxsplit=1)[0].strip()
    if len(clause.split()) <= 3 and words[len(clause) : len(clause) + 1] == ":":
        # "For a crust: when the water is gone …"
        clause = re.split(r"[.;!?](?=\s|$)", words, maxsplit=1)[0].strip()
    if clause.count("(") != clause.count(")"):
        # cut through a bracket
        clause = re.sub(r"\s*\([^)]*$|(?<![^)(]\()\)(?=\s*$)", "", clause).strip() or clause
    said = clause.split()
    if len(said) <= 9:
        return clause
    return (
        re.sub(
            r"(?:[\s,]+(?:the|a|an|with|in|into|and|of|for|to|over|on|from|until|its|their))+$", "", " ".join(said[:9])
        )
        + " …"
    )


def act_title(act: Act) -> str:
    """An act's title; what cooks on for itself bids so."""
    title = title_of(act.words)
    return f"Cook on: {title[:1].lower()}{title[1:]}" if act.kind == "cook_on" else title


class _Dish:
    """out: the tasks so far. ready: what the next of the chain waits for."""

    def __init__(self, shift: Shift, dish: str, acts: Acts) -> None:
        self.shift, self.dish, self.acts = shift, dish, acts
        self.out: list[Task] = []
        self.pots: list[str] = []
        self.beside: list[Task] = []
        # heading → its tasks so far
        self.parts: dict[str, list[Task]] = {}

    def add(self, task: Task) -> Task | None:
        if task.minutes <= 0:
            return None
        task = replace(task, hands_on=min(task.minutes, task.hands_on))
        self.out.append(task)
        return task

    # -- the first pot, with the recipe's acts round it ----------------------------------------------------------------

    def main(self) -> None:
        shift, acts = self.shift, self.acts
        key = f"{self.dish}/1"
        ready = self.made_ready(shift.pot, key, main=True)
        source = shift.recipe.source
        last: str | None = None
        joined = ready is None
        for n, act in enumerate(acts.before):
            if act.part or act.beside:
                self.aside_act(act, f"do{n + 1}")
                continue
            after = [last] if last else []
            if not joined and source in act.lines:
                # here the grain itself goes in
                after = [ready or "", *after]
                joined = True
            waits = (*self._hot(act.resource), *self._used(act.lines))
            within = AFTER_ACT_MIN if last and act.resource else None
            made = self.add(self._act(act, f"do{n + 1}", (*waits, *after), within))
            last = made.id if made else last
        after_pot = [
            *self._hot(self.shift.pot.way.row.resource),
            *self._used((*acts.cooking.pour.lines, *acts.cooking.cook.lines)),
            *([] if joined else [ready or ""]),
            *([last] if last else []),
        ]
        end = self.pot(shift.pot, key, tuple(after_pot), bool(last))
        self.after(end, key)

    def made_ready(self, pot: Pot, key: str, main: bool) -> str | None:
        """Rinse, soak, sprout, mill, roast: the track's own, one after the other. The id of the last."""
        grain, way = pot.grain, pot.way
        last: str | None = None

        def add(
            name: str, what: str, minutes: float, hands: float, resource: str = "", within: int | None = None
        ) -> None:
            nonlocal last
            made = self.add(
                Task(
                    f"{key}/{name}",
                    what,
                    self.dish,
                    round_half_up(minutes),
                    round_half_up(hands),
                    resource,
                    (last,) if last else (),
                    within,
                    kind=name.rstrip("0123456789"),
                )
            )
            last = made.id if made else last

        if way.sprouted:
            for n, t in enumerate(preparing.sprout(grain, pot.kitchen.room_c)):
                add(f"sprout{n + 1}", t.what, t.minutes, t.hands_on, within=0 if n else None)
        rinse = preparing.rinse(grain) if way.rinsed else None
        if self.shift.choice.home_meal and main and grain.is_meal:
            for t in preparing.mill_for(grain, pot.dry_g, pot.kitchen.jar_ml).tasks:
                add(t.what.split()[0].replace("spread", "dry"), t.what, t.minutes, t.hands_on)
        elif rinse:
            add("rinse", rinse.what, rinse.minutes, rinse.hands_on)
        if way.soak_min and not way.sprouted:
            add("soak", preparing.soak(grain, way.soak_min, pot.kitchen.room_c).what, way.soak_min, 2, within=10)
        if way.roast == "dry" and grain.roast and not self.shift.own.toasts:
            minutes = grain.roast.min
            add(
                "roast",
                f"dry-roast {grain.short}",
                minutes,
                minutes,
                "burner",
                AFTER_SOAK_MIN if way.soak_min else None,
            )
        return last

    def pot(self, pot: Pot, key: str, after: tuple[str, ...], fried: bool) -> str:
        grain, way, cooking = pot.grain, pot.way, self.acts.cooking
        main = key.endswith("/1")
        early = cooking.early.minutes if main and cooking.early else 0
        cook = cooking.minutes if main and cooking.minutes else pot.cook_typical
        whole = round_half_up(pot.come_up_min) + early + cook
        within = AFTER_ACT_MIN if fried else AFTER_SOAK_MIN if way.soak_min else AFTER_ROAST_MIN
        stirred = whole if main and _ALL_ALONG.search(" ".join(s.text for s in self.shift.method.steps)) else 0
        made = self.add(
            Task(
                f"{key}/pot",
                f"{grain.short}: to the boil and {_cooks(pot, cook)}",
                self.dish,
                whole,
                max(stirred, min(4, whole)),
                way.row.resource,
                after,
                within if after else None,
                kind="pot",
                needs=way.row.needs,
            )
        )
        assert made is not None  # noqa: S101 - a pot takes a minute at least
        return made.id

    def rest(self, pot: Pot, key: str, after: str, opened: bool = False) -> str:
        """opened: its pressure was let down before."""
        if pot.way.method == "cook-ahead":
            return self.ahead(pot, key, after)
        what = "let the pressure fall, then rest" if pot.release_min and not opened else "rest, lid closed"
        made = self.add(
            Task(
                f"{key}/rest",
                what,
                self.dish,
                round_half_up(pot.rest_min + (0.0 if opened else pot.release_min)),
                0,
                "",
                (after,),
                0,
                kind="rest",
            )
        )
        return made.id if made else after

    def opened(self, pot: Pot, key: str, after: str) -> str:
        """A closed cooker is opened before anything is done to what is in it."""
        what = "let the pressure fall, and open it"
        minutes = round_half_up(pot.release_min) + OPEN_MIN
        made = self.add(Task(f"{key}/release", what, self.dish, minutes, 1, "", (after,), 0, kind="release"))
        return made.id if made else after

    def ahead(self, pot: Pot, key: str, after: str) -> str:
        """Cooked beforehand: spread out and cold; hot again in the dish, as much later as one likes."""
        cool = round_half_up(pot.rest_min) - WARM_MIN
        what = f"spread {pot.grain.short} out shallow to cool, then into the fridge until it is wanted"
        self.add(Task(f"{key}/cool", what, self.dish, cool, 2, "", (after,), 0, kind="cool"))
        what = f"a splash of water over {pot.grain.short}, lid on, {WARM_MIN} minutes of steam"
        made = self.add(
            Task(f"{key}/warm", what, self.dish, WARM_MIN, WARM_MIN, "burner", (f"{key}/cool",), kind="warm")
        )
        return made.id if made else after

    def after(self, last: str, key: str) -> None:
        """The rest where the recipe has it, else right behind the pot; then its acts, one after the other."""
        pot = self.shift.pot
        acts = list(self.acts.after)
        mine = [a for a in acts if not a.part]
        rests = [n for n, a in enumerate(acts) if a.is_rest]
        at = rests[0] if rests and not self.acts.cooking.rest.words else -1
        if at < 0:
            last = self.rest(pot, key, last)
            last = self.cooled(pot, key, last)
        elif pot.way.locked:
            last = self.opened(pot, key, last)
        self.pots.append(last)
        for n, act in enumerate(acts):
            name = f"do{len(self.acts.before) + n + 1}"
            if act.part or act.beside:
                self.aside_act(act, name)
            elif n == at:
                last = self.rest(pot, key, last, opened=pot.way.locked)
            elif act is mine[-1] and not act.timed:
                # what comes last is the finishing
                continue
            elif act.kind == "cool" and act.mine and not act.timed:
                # the recipe cools it, and does not say how long
                made = self.add(
                    Task(
                        f"{key}/cool",
                        title_of(act.words),
                        self.dish,
                        act.minutes,
                        2,
                        "",
                        (last,),
                        HOLD_MIN,
                        kind="cool",
                        act=act,
                    )
                )
                last = made.id if made else last
            else:
                before = (*self._hot(act.resource), *self._joined(), last)
                # warm grain waits a while; out of the fridge it may wait long
                hold = None if last.endswith(("/cool", "/chill")) or act.kind in ("cool", "chill") else HOLD_MIN
                made = self.add(self._act(act, name, before, hold))
                last = made.id if made else last
        self.pots[0] = last

    def cooled(self, pot: Pot, key: str, last: str) -> str:
        """What is dressed or fried cold is cooled by the model, unless the recipe cools or chills it itself."""
        dish, own = self.shift.recipe.dish, {a.kind for a in self.acts.after}
        if dish not in ("salad", "fried"):
            return last
        if "cool" not in own:
            what = f"spread {pot.grain.short} on a tray and let it cool"
            made = self.add(Task(f"{key}/cool", what, self.dish, cools(pot), 2, "", (last,), 0, kind="cool"))
            last = made.id if made else last
        if dish == "fried" and "chill" not in own:
            what = f"{pot.grain.short} into the fridge until cold through; overnight is best"
            made = self.add(Task(f"{key}/chill", what, self.dish, CHILL_MIN, 1, "", (last,), kind="chill"))
            last = made.id if made else last
        return last

    # -- others --------------------------------------------------------------------------------------------------------

    def aside(self, pot: Pot, key: str) -> None:
        """A grain of a blend in a pot of its own."""
        ready = self.made_ready(pot, key, main=False)
        end = self.pot(pot, key, (ready,) if ready else (), False)
        self.pots.append(self.rest(pot, key, end))

    def aside_act(self, act: Act, name: str) -> None:
        """Beside the pot: in the recipe's order among themselves where they share their things."""
        before = self.parts.get(act.part, [])[-1:] if act.part else []
        after = (*self._hot(act.resource), *self._used(act.lines, act.part), *(t.id for t in before))
        made = self.add(self._act(act, name, after, AFTER_ACT_MIN if before and act.resource else None))
        if made and act.part:
            self.parts.setdefault(act.part, []).append(made)
        elif made:
            self.beside.append(made)

    def _used(self, lines: tuple[int, ...], part: str = "") -> tuple[str, ...]:
        """What runs beside and has these things: it must have ended. A dish of its own with one of them, down to its last task."""
        found = tuple(t.id for t in self.beside if t.act and set(t.act.lines) & set(lines))
        self.beside = [t for t in self.beside if t.id not in found]
        parts = (
            tasks[-1].id
            for name, tasks in self.parts.items()
            if name != part and any(t.act and set(t.act.lines) & set(lines) for t in tasks)
        )
        return (*found, *parts)

    def _joined(self) -> tuple[str, ...]:
        """All that ran beside so far: behind the pot it is joined by what comes next in the recipe."""
        found, self.beside = tuple(t.id for t in self.beside), []
        return found

    def _hot(self, resource: str) -> tuple[str, ...]:
        """The oven is hot before anything goes into it."""
        if resource != "oven":
            return ()
        found = tuple(t.id for t in self.beside if t.act and t.act.kind == "preheat")
        self.beside = [t for t in self.beside if t.id not in found]
        return found

    def _act(self, act: Act, name: str, after: tuple[str, ...], within: int | None) -> Task:
        return Task(
            f"{self.dish}/{name}",
            act_title(act),
            self.dish,
            act.minutes,
            act.hands,
            act.resource,
            tuple(a for a in after if a),
            within if after else None,
            kind="act",
            act=act,
        )

    def finish(self) -> None:
        acts = [a for a in self.acts.after if not a.part]
        act = acts[-1] if acts and not acts[-1].timed and not acts[-1].beside else None
        minutes = max(FINISH_MIN, act.minutes if act else 0)
        self.out.append(
            Task(
                f"{self.dish}/finish",
                "finish and taste",
                self.dish,
                minutes,
                minutes,
                after=(*(t.id for t in self.beside), *(tasks[-1].id for tasks in self.parts.values()), *self.pots),
                holds=HOLD_MIN,
                last=True,
                kind="finish",
                act=act,
                # a closed pot keeps warm so long; what is served or fried cold may wait
                waits=tuple((i, HOLD_MIN) for i in self.pots if not i.endswith(("/cool", "/chill"))),
            )
        )


_ALL_ALONG = lazy(
    r"\bstir(?:ring)?\b[^.;]{0,20}\b(?:all (?:the|this) (?:while|time)|constantly|continuously|non-?stop|without stopping)\b(?![^.]*\bstream)",
    re.I,
)


def is_stirred(shift: Shift) -> bool:
    """Is the pot stirred again and again? A dish that is stirred to a cream."""
    return shift.recipe.dish == "stirred" and shift.pot.way.method == "open"


# usual advice for kidney beans and their relatives: hours in water that is thrown away, then a hard boil
BEANS_SOAK_MIN, BEANS_BOIL_MIN = 480, 10


def _beans(recipe: Recipe, dish: str) -> list[Task]:
    """Dry kidney beans are made safe before they come near the pot, whatever the recipe says."""
    if not recipe.dry_beans:
        return []
    name = recipe.dry_beans[0].name or "beans"
    out = []
    # one that is soaked already does not soak the other
    if not all("soaked" in ln.text.lower() for ln in recipe.dry_beans):
        out.append(
            Task(
                f"{dish}/beans1",
                f"soak the {name} 8 hours in plenty of water, throw that water away",
                dish,
                BEANS_SOAK_MIN,
                3,
                kind="beans",
            )
        )
    out.append(
        Task(
            f"{dish}/beans2",
            f"boil the {name} hard in fresh water, at least {BEANS_BOIL_MIN} minutes (some authorities say 30)",
            dish,
            BEANS_BOIL_MIN + 10,
            3,
            "burner",
            tuple(t.id for t in out),
            AFTER_SOAK_MIN if out else None,
            kind="beans",
        )
    )
    return out


def _cooks(pot: Pot, minutes: int) -> str:
    return {"steep": "steep"}.get(pot.way.method, f"cook {minutes} minutes")
