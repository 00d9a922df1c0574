"""The Process of a shift as acts: what is one thing for the hands, or one thing that is set going, in the order of the recipe.

An operation is a clause; a cook does several of them in one go ("add the stock and the salt, bring to the boil, cover"). Neighbours in one vessel are one act until
something takes minutes of its own. The grain's own cooking lies between what comes before and after it:

    before    act · act · …                     frying, chopping, a sauce
    cooking   pour (what is poured and brought to the boil) · early (what has a head start) · cook, with what goes in at a minute of it · rest
    after     act · … · act                     a second heat (the oven), dressing, what is beaten in, serving

By hand, the leek pan of the first page: fry leek 6 · [toast 2 ·] pour "Add the stock, bring to a boil, cover, turn down" · cook 20, at 15 "Scatter the beans over" · rest 10 · fluff.
Every operation that is not retired is in exactly one act, or is the track's own (a rinse, a soak, the look). Nothing here is computed that the Process does not hold.
"""

from __future__ import annotations

import re
import tomllib
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from functools import cache
from importlib import resources

from ..measures import round_half_up
from ..pot import Pot
from ..pot.afterwards import SHALLOW_CM, minutes_to
from ..process import Operation, one_sentence
from ..quick import lazy
from ..reading.clauses import OWN_LOOK
from ..shifting import AsItIs, Shift
from ..shifting.cookings import AT_HEAT, turning

# what the track's own tasks are made for
READY = ("rinse", "soak", "sprout", "drain", "pulse", "beans", "roast")
# what belongs to the pour when it stands right before the heat
_POURS = ("add", "season", "boil", "cover", "stir", "whisk", "other", "chop", "off")
_RESTS = ("off", "rest", "release", "cover")
# a whole cooking put in in one sentence: the stove tells it stage by stage
_TOLD_BY_STAGES = ("way", "cook")
# operations of a shift that are a card's own, or a reminder's
CARDS_OWN = ("look", "pour", "lid", "stagger", "aside", "crust", "cold")
_OVEN = lazy(r"\b(?:bak(?:e|ed|ing)|oven|roast(?:ed|ing)?|gratin)\b", re.I)
# "in a frying pan": what comes with a new article is another vessel
_ANOTHER = lazy(
    r"\b(?:in|into|heat|using|warm|take) (?:a|an|another)\b[\w -]{0,24}?\b(?:pan|skillet|wok|saucepan|bowl|dish|tray|pot|jug)\b",
    re.I,
)
# a remark is no work: it stays with what it is said of
_REMARK = lazy(
    r"^\W*(?:it|they|this|that|there|you)(?: \w+)? (?:does|do|will|won't|should|is|are|want|may|might|need)\b|^\W*(?:don't|do not|dont|never|no peek\w*|no lifting|be careful|careful|trust)\b|\b(?:not|n't) need\b",
    re.I,
)
_NOT_DONE = lazy(r"\W*(?:don't|do not|dont|never)\b", re.I)
# "wash it & cook in the rice cooker": the pot's own heat
_COOKS_IN_COOKER = lazy(r"\bcook\w*\b[^.;]{0,16}\bin (?:the |a |your )?(?:rice |pressure |electric )?cooker\b", re.I)
_HEAT_SET = lazy(r"\b(?:reduce|lower|turn|drop|put)\b[^.;]{0,16}\b(?:heat|flame|fire|gas|burner|low|down)\b", re.I)
_GOES_ON = lazy(r"^\W*(?:until|till|or until|so that|without|with|\w+ing)\b", re.I)
_DRAINED = lazy(r"\b(?:drain|strain|sieve|tip off|pour off)", re.I)
# what is done once while something runs: "turning after 20 minutes", "stir half way"
_MIDWAY = lazy(
    # not "turn the heat off after 10 minutes"
    r"\b(?!turn\w*\b[^.;]{0,20}\b(?:off|down|up|low|heat|flame|gas|out)\b)(?:turn|stir|toss|shak|bast|flip|rotat|swap)\w*\b[^.;]{0,40}?\b(?:(?P<half>half ?-?(?:way|time))|after (?:about |the first )?(?=\d)|at (?=\d))",
    re.I,
)
# a heading that is no dish but a stage of one
_LEADS_ON = lazy(
    r"\b(?:assembl\w*|finish\w*|serv\w*|garnish|topping|method|directions|instructions|steps?|prep\w*|cook\w*|bak\w*|marinad\w*|dressing|temper\w*|tadka|to (?:cook|make|serve|finish))\b",
    re.I,
)
_FOR_THE = lazy(r"\W*for the\b", re.I)
# a matter of a minute
_AT_ONCE = ("add", "season", "off", "stir", "fluff", "serve", "other")
# what is done to a cooker that is closed and set, and no work of its own
_GEAR = lazy(
    r"\b(?:lid|valve|seal\w*|lock\w*|press(?:ure)?|select|set|start|manual|timer|button|switch|vent\w*|steam|program\w*|setting|mode)\b",
    re.I,
)
# into what is in the pot already
_BEATEN_IN = lazy(r"\b(?:beat|whisk|stir|fold|mix)\w* (?:in(?:to)?|through)\b(?! (?:an?|another)\b)", re.I)
_WHEN = lazy(r"\W*(?:when|once|after|as soon as)\b", re.I)
# what cools or stands for less than this is waited for
LEAST_BY_ITSELF = 5
# work without minutes is not guessed longer than this in one act
MOST_GUESSED = 12
_BESIDE = lazy(r"^\W*(?:meanwhile|in the meantime|while|at the same time)\b", re.I)
_WORK = ("fry", "toast", "whisk", "stir", "grind", "chop", "add", "season", "fluff", "serve", "roast")
# what is made of its own things in a bowl or on a board can be made while the pot waits
_APART = ("whisk", "grind", "chop")
_FIRE = ("fry", "toast", "boil", "cook", "roast", "cook_on")
_PASSIVE = ("rest", "cool", "chill", "soak", "dry", "sprout")
# a salad is dressed warm and eaten lukewarm
LUKEWARM_C = 30.0
# shorter things beside the pot are done in the recipe's order
ASIDE_FROM_MIN = 8
_HANDS_NOW_AND_THEN = 3
# what fries longer than this is looked at now and then
_FRIES_UNWATCHED = 8
_ON_FIRE = lazy(
    r"\b(?:fr(?:y|ied|ies)|stir-?fr|brown|soften|saut|sweat|sear|melt|heat|warm|toast|boil|simmer|cook|bak|roast|temper|caramel|render|sizzl|steam|poach|grill|reduc|bubbl|scrambl|crackl|splutter|microwav)",
    re.I,
)


@dataclass(frozen=True, slots=True)
class Act:
    """words: the recipe's own, as rewritten. lines: what goes in, by the recipe's lines. minutes: whole; timed: they are said, not guessed by the sign. mine: in the
    grain's vessel. hands: minutes of them. beside: it runs beside the grain's pot. midway: what is done at which minute of it.
    part: the heading of the recipe under which it is a dish of its own. by: the sign or verb by which its minutes were guessed."""

    kind: str
    words: str
    lines: tuple[int, ...] = ()
    minutes: int = 0
    hands: int = 0
    timed: bool = False
    mine: bool = True
    resource: str = ""
    beside: bool = False
    ops: tuple[str, ...] = ()
    midway: tuple[tuple[int, str], ...] = ()
    part: str = ""
    by: str = ""

    @property
    def is_rest(self) -> bool:
        """Is it the grain's own rest, which the recipe has later than right behind the heat?"""
        return self.kind in ("rest", "release") and self.mine and self.timed


@dataclass(frozen=True, slots=True)
class GoesIn:
    """At this minute of the cooking."""

    minute: int
    words: str
    lines: tuple[int, ...] = ()
    ops: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Cooking:
    """minutes: of the first heat, where a second follows in another vessel; else None, and they are the pot's."""

    pour: Act
    cook: Act
    rest: Act
    early: Act | None = None
    adds: tuple[GoesIn, ...] = ()
    minutes: int | None = None


@dataclass(frozen=True, slots=True)
class Acts:
    before: tuple[Act, ...]
    cooking: Cooking
    after: tuple[Act, ...]
    # the recipe's words for what the track does itself: rinse, soak
    ready: dict[str, Act] = field(default_factory=dict)

    def all(self) -> tuple[Act, ...]:
        c = self.cooking
        return (
            *self.ready.values(),
            *self.before,
            c.pour,
            *([c.early] if c.early else ()),
            c.cook,
            c.rest,
            *self.after,
        )


def cools(pot: Pot) -> int:
    """Minutes until the cooked grain, spread out shallow, is lukewarm."""
    room = pot.kitchen.room_c
    return round_half_up(minutes_to(max(LUKEWARM_C, room + 5), SHALLOW_CM, room))


def acts_of(shift: Shift) -> Acts:
    return _Reading(shift).acts()


def acts_as_it_is(dish: AsItIs) -> tuple[Act, ...]:
    """The acts of a dish without a grain to shift, in its order."""
    return _AsItIs(dish).in_order()


class _Clauses:
    """Operations of one dish, gathered to acts."""

    def __init__(self, dish: Shift | AsItIs) -> None:
        self.recipe = dish.recipe
        self.mine = {v.id for v in dish.process.vessels if v.grain}
        self.vessels = {v.id: v.kind for v in dish.process.vessels}
        self.all = [_as_meant(o) for o in dish.process.operations if o.basis != "retired"]
        self.ops = [o for o in self.all if o.kind not in CARDS_OWN]
        self.places = {op: (step, a, b) for step in dish.method.steps for op, a, b in step.places}
        self.took = dict(dish.kitchen.took)
        self.parts = self._parts()

    def _parts(self) -> dict[str, str]:
        """Operation → the heading under which it is a dish of its own: its things are touched nowhere else, and it leads to nothing but the table."""
        heat = next((o for o in self.ops if o.phase in AT_HEAT), None)
        main = heat.dish if heat else ""
        everywhere = {ln.index for ln in self.recipe.lines if ln.role in ("salt", "fat")}
        out: dict[str, str] = {}
        for label in dict.fromkeys(
            o.dish
            for o in self.ops
            if o.dish and o.dish != main and (main or _FOR_THE.match(o.dish)) and not _LEADS_ON.search(o.dish)
        ):
            mine = [o for o in self.ops if o.dish == label]
            others = {i for o in self.ops if o.dish != label for i in o.what} | {self.recipe.source}
            # what is said under its heading of the whole dish ("serve the rice with it") is not its own
            shared = others - everywhere
            ends = next((n for n, o in enumerate(mine) if shared & set(o.what)), len(mine))
            own = mine[:ends]
            if len(own) > 1 and {i for o in own for i in o.what} - everywhere:
                out |= {o.id: label for o in own}
        return out

    def _cooling(self) -> int | None:
        """Minutes in which the cooked grain cools, where there is one."""
        return None

    # -- operations to acts --------------------------------------------------------------------------------------------

    @staticmethod
    def _timed(o: Operation) -> bool:
        late = o.phase in ("from_end", "from_start")
        return (
            bool(o.typical_min)
            and (o.told is not None or o.basis == "inserted")
            and not late
            and not _MIDWAY.search(o.text)
        )

    def _groups(self, ops: Sequence[Operation]) -> list[Act]:
        groups: list[list[Operation]] = []
        for o in ops:
            if groups and self._goes_with(groups[-1], o):
                groups[-1].append(o)
            else:
                groups.append([o])
        out: list[Act] = []
        for a in map(self._act, groups):
            if a.words:
                out.append(a)
            elif out:
                # a clause of which the shift left no word is done with what stands before it
                out[-1] = replace(out[-1], ops=(*out[-1].ops, *a.ops))
        return out

    def _goes_with(self, group: Sequence[Operation], o: Operation) -> bool:
        before = group[-1]
        if o.phase in ("from_end", "from_start") and before.vessel == o.vessel and any(self._timed(x) for x in group):
            # "the peas go in for the last 5 minutes": within the minutes that were told before, in this step or the last
            return True
        if (
            "inserted" in (before.basis, o.basis)
            or before.step != o.step
            or self.parts.get(before.id) != self.parts.get(o.id)
        ):
            return False
        if _REMARK.search(o.text) and not self._timed(o):
            return True
        if _MIDWAY.search(o.text) and any(self._timed(x) for x in group):
            return True
        if before.vessel != o.vessel:
            return False
        if {before.kind, o.kind} & set(_PASSIVE) and before.kind != o.kind:
            return not self._timed(o) and not self._timed(before) and o.kind not in ("cool", "chill")
        same = one_sentence(self.recipe.text, before, o)
        if any(self._timed(x) for x in group):
            return (
                same
                and not self._timed(o)
                and (
                    o.kind in ("stir", "cover", "other")
                    or bool(_GOES_ON.match(o.text))
                    or (bool(_GOES_ON.match(before.text)) and not o.what)
                )
            )
        return same if self._timed(o) else True

    def _act(self, group: Sequence[Operation], kind: str = "") -> Act:
        if not group:
            return Act(kind, "")
        timed = [o for o in group if self._timed(o)]
        main = max(timed, key=lambda o: o.typical_min or 0.0) if timed else max(group, key=lambda o: self._guessed(o))
        minutes = (
            sum(o.typical_min or 0.0 for o in timed)
            if timed
            else min(
                max(MOST_GUESSED, *(self.took.get(f"by:{self._by(o)}", 0.0) for o in group)),
                sum(self._guessed(o) for o in group),
            )
        )
        words = self._words(group)
        whole = max(1, round_half_up(minutes))
        cooling = self._cooling()
        if cooling is not None and main.kind == "cool" and main.vessel in self.mine and not timed:
            # how long it takes is known better than by a word
            whole = cooling
        fire = (
            main.kind in _FIRE or (main.heat in ("medium", "high") and main.kind not in _PASSIVE)
        ) and self._on_fire(main)
        oven = bool(_OVEN.search(words)) and fire
        mine = main.vessel in self.mine
        if main.kind == "preheat" or oven or (main.kind in _PASSIVE and whole >= LEAST_BY_ITSELF):
            hands = 1
        elif main.kind in _WORK or main.hands == "all along":
            hands = whole if whole <= _FRIES_UNWATCHED or main.kind not in _FIRE else _HANDS_NOW_AND_THEN * 2
        else:
            hands = min(whole, _HANDS_NOW_AND_THEN)
        beside = (
            main.kind == "preheat"
            or bool(_BESIDE.match(words))
            or (not mine and bool(timed) and whole >= ASIDE_FROM_MIN)
        )
        return Act(
            kind or main.kind,
            words,
            self._lines(group),
            whole,
            hands,
            bool(timed),
            mine,
            "oven" if oven else "burner" if fire else "",
            beside,
            tuple(o.id for o in group),
            self._midway(group, whole) if timed else (),
            self.parts.get(main.id, ""),
            "" if timed or cooling is not None and main.kind == "cool" and main.vessel in self.mine else self._by(main),
        )

    def _midway(self, group: Sequence[Operation], whole: int) -> tuple[tuple[int, str], ...]:
        out = []
        for o in group:
            m = _MIDWAY.search(o.text)
            late = o.phase in ("from_end", "from_start")
            minute = round_half_up(whole / 2 if m and m["half"] else o.typical_min or 0.0)
            minute = whole - minute if o.phase == "from_end" else minute
            if (m or late) and 0 < minute < whole:
                out.append((minute, self._words([o])))
        return tuple(out)

    def _guessed(self, o: Operation) -> float:
        """Minutes by the sign the clause names, else by its verb."""
        if self._timed(o):
            return o.typical_min or 0.0
        if o.kind == "cover" or _REMARK.search(o.text) or _HEAT_SET.search(o.text):
            return 0.0
        if o.kind in _AT_ONCE:
            return 1.0
        by = self._by(o)
        for name, pattern, minutes in _signs():
            if name == by and pattern.search(o.text):
                return self.took.get(f"by:{by}", minutes)
        return self.took.get(f"by:{by}", o.typical_min or 1.0) if by else 1.0

    def _by(self, o: Operation) -> str:
        """The sign or verb by which an operation's minutes are guessed; "" where there is nothing to guess."""
        if self._timed(o) or o.kind in ("cover", *_AT_ONCE) or _REMARK.search(o.text) or _HEAT_SET.search(o.text):
            return ""
        sign = next((name for name, pattern, _ in _signs() if pattern.search(o.text)), "")
        return sign or (o.kind if o.kind not in _FIRE or self._on_fire(o) else "")

    def _on_fire(self, o: Operation) -> bool:
        """Does the clause itself say that something is heated, or did it only go on from one that did?"""
        return o.basis == "inserted" or self._timed(o) or bool(_ON_FIRE.search(o.text))

    def _lines(self, group: Sequence[Operation]) -> tuple[int, ...]:
        wets = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        # "wash until the water is clear" is not the pot's water
        return tuple(dict.fromkeys(i for o in group for i in o.what if not (o.kind in READY and i in wets)))

    def _words(self, group: Sequence[Operation]) -> str:
        """The words of these operations as rewritten, as they stand there from the first to the last of those that follow each other."""
        runs: list[list[Operation]] = []
        for o in group:
            if (
                runs
                and o.basis == runs[-1][-1].basis == "said"
                and o.step == runs[-1][-1].step
                and self._next(runs[-1][-1], o)
            ):
                runs[-1].append(o)
            else:
                runs.append([o])
        return " ".join(x for x in (self._run(r) for r in runs) if x)

    def _next(self, a: Operation, b: Operation) -> bool:
        at = [i for i, o in enumerate(self.all) if o is a or o is b]
        return len(at) < 2 or at[1] == at[0] + 1

    def _run(self, run: Sequence[Operation]) -> str:
        placed = [self.places[o.id] for o in run if o.id in self.places]
        if not placed:
            return " ".join(o.text for o in run if o.basis == "inserted")
        step, a, b = placed[0][0], min(p[1] for p in placed), max(p[2] for p in placed)
        words = " ".join(OWN_LOOK.sub("", step.full[a:b]).split())
        if not re.search(r"\bnow and then\W*$", words, re.I):
            words = re.sub(r"[\s,;:–—-]*(?:\b(?:and|then|but|or)\b[\s,]*)*$", "", words).strip()
        words = re.sub(r"^(?:[\s,;:.)–—-]+|(?:and|then|but)\b\s*)+", "", words, flags=re.I)
        if not re.search(r"\w", words):
            return ""
        return words[:1].upper() + words[1:] + ("" if words[-1:] in '.!?)”"' else ".")


class _Reading(_Clauses):
    """With the grain's own cooking between what comes before and after it."""

    def __init__(self, shift: Shift) -> None:
        super().__init__(shift)
        self.shift = shift
        way = shift.pot.way
        self.closed = way.locked or way.row.resource not in ("burner", "oven", "kettle")

    def _cooling(self) -> int | None:
        return cools(self.shift.pot)

    def acts(self) -> Acts:
        ready, ops = self._ready([o for o in self.ops if o.id not in self.parts])
        heat = [i for i, o in enumerate(ops) if o.phase in AT_HEAT]
        if not heat:
            nothing = Act("cook", "")
            early = next((o for o in ops if o.kind == "head_start"), None)
            ops = [o for o in ops if o is not early]
            return Acts(
                (*self._groups(ops), *self._parts_between(0, len(self.ops))),
                Cooking(Act("boil", ""), nothing, Act("rest", ""), self._act([early]) if early else None),
                (),
                ready,
            )
        first, last = heat[0], self._last(ops, heat)
        start = self._start(ops, first)
        end = self._end(ops, last)
        early_ops = [o for o in ops if o.kind == "head_start"]
        rain = [o for o in ops if o.kind == "rain"]
        before = [o for o in ops[:start] if o.kind not in ("head_start", "rain")]
        pour = [o for o in ops[start:first] if o.kind not in ("head_start", "rain")]
        stretch = [o for o in ops[first : last + 1] if o.kind not in ("head_start", "rain")]
        adds, cook = self._adds(stretch)
        goes_on = [o for o in ops[last + 1 : end] if not self._rests(o)]
        rest = [o for o in ops[last + 1 : end] if self._rests(o)]
        if not any(o.phase in ("rest", "release") for o in rest):
            # taken off the heat for what comes next
            end = next((i for i in range(last + 1, end) if self._rests(ops[i])), end)
            goes_on, rest = list(ops[last + 1 : end]), []
        half = [o for o in goes_on if self._half(o)]
        goes_on = [o for o in goes_on if o not in half]
        adds = (*adds, *(self._in(round_half_up(self.shift.pot.cook_typical / 2), [o]) for o in half))
        second = any(i > last for i in heat)
        minutes = sum(o.typical_min or 0.0 for o in cook if o.phase in ("heat", "whistles"))
        here = self.ops.index(ops[first])
        return Acts(
            (*self._groups(before), *self._parts_between(0, here)),
            Cooking(
                self._act(pour, "boil"),
                self._act(
                    [*rain, *(o for o in cook if o.basis != "inserted" or o.kind not in _TOLD_BY_STAGES), *goes_on],
                    "cook",
                ),
                self._act(rest, "rest"),
                self._act(early_ops, "early") if early_ops else None,
                adds,
                round_half_up(minutes) if second and minutes else None,
            ),
            (*self._in_order(self._groups(ops[end:]), ops[:end]), *self._parts_between(here, len(self.ops))),
            ready,
        )

    def _parts_between(self, start: int, end: int) -> list[Act]:
        """The dishes of their own that the recipe has there."""
        return self._groups([o for o in self.ops[start:end] if o.id in self.parts])

    def _in_order(self, after: Sequence[Act], before: Sequence[Operation]) -> tuple[Act, ...]:
        """What comes after the pot is done after it, unless it is a thing by itself, of things that were not touched before."""
        touched = {self.recipe.source, *self._lines(before)}
        out = []
        for a in after:
            own = not touched & set(a.lines) and bool(a.lines)
            mine = a.mine and not _ANOTHER.search(a.words)
            beside = (
                not a.part
                and bool(_BESIDE.match(a.words))
                or (
                    not a.part
                    and own
                    and (
                        (a.kind in _APART and not _BEATEN_IN.search(a.words))
                        or (not mine and a.timed and a.minutes >= ASIDE_FROM_MIN)
                    )
                )
            )
            out.append(replace(a, mine=mine, beside=beside))
            touched |= set(a.lines)
        return tuple(out)

    # -- where the grain's cooking begins and ends ---------------------------------------------------------------------

    def _ready(self, ops: Sequence[Operation]) -> tuple[dict[str, Act], list[Operation]]:
        """What makes the grain ready is the track's; its words are kept for it. The rest of the operations."""
        source = self.recipe.source
        taken: dict[str, list[Operation]] = {}
        rest = []
        last = ""
        for o in ops:
            mine = o.basis == "inserted" or o.phase == "soak" or source in o.what
            if o.kind == "drain" and not o.what and last:
                mine = True
            drains = o.kind != "drain" or bool(_DRAINED.search(o.text))
            if o.kind in READY and drains and mine and not (o.kind == "soak" and o.phase != "soak" and o.told):
                last = last if o.kind == "drain" and last else o.kind
                taken.setdefault(last, []).append(o)
            else:
                last = ""
                rest.append(o)
        return {k: self._act(v, k) for k, v in taken.items()}, rest

    def _last(self, ops: Sequence[Operation], heat: Sequence[int]) -> int:
        """The last operation of the first heat: what goes into the oven afterwards, or is steamed on when it was drained, is another."""
        first = ops[heat[0]]
        turns = turning(self.recipe)
        ids = [o.id for o in ops]
        turned = (
            ids.index(id_)
            if turns is not None and (id_ := self.recipe.process.operations[turns].id) in ids
            else len(ops)
        )
        baked = bool(_OVEN.search(first.text)) or self.vessels.get(first.vessel) == "oven dish"
        last = heat[0]
        for i in heat[1:]:
            o = ops[i]
            if i > turned:
                break
            if (
                not baked
                and o.vessel != first.vessel
                and (_OVEN.search(o.text) or self.vessels.get(o.vessel) == "oven dish")
            ):
                break
            last = i
        return last

    def _start(self, ops: Sequence[Operation], first: int) -> int:
        i = first
        while i > 0:
            o = ops[i - 1]
            if self._timed(o) and o.kind != "head_start":
                break
            pours = o.kind in (*_POURS, "head_start", "rain", "with") or (
                o.kind == "drain" and not _DRAINED.search(o.text)
            )
            sets = _HEAT_SET.search(o.text) or _COOKS_IN_COOKER.search(o.text)
            pours = pours or (o.kind == "cook" and not self._timed(o) and bool(sets))
            pours = pours or self._gear(o)
            if not pours or o.vessel not in self.mine and o.kind != "other":
                break
            if o.basis == "inserted" and o.kind not in ("head_start", "rain", "with"):
                break
            i -= 1
        return i

    def _end(self, ops: Sequence[Operation], last: int) -> int:
        i = last + 1
        while i < len(ops) and (
            self._rests(ops[i])
            or (_REMARK.search(ops[i].text) is not None and not self._timed(ops[i]))
            or (ops[i].phase == "come_up" and self.closed)
            or (self.closed and bool(_WHEN.match(ops[i].text)) and i + 1 < len(ops) and self._rests(ops[i + 1]))
            or (
                ops[i].kind in ("cook", "stir", "other", "cover")
                and not self._timed(ops[i])
                and ops[i].step == ops[last].step
                and one_sentence(self.recipe.text, ops[last], ops[i])
            )
        ):
            i += 1
        return i

    def _rests(self, o: Operation) -> bool:
        return (
            o.phase in ("rest", "release")
            or (o.kind in _RESTS and not self._timed(o) and o.vessel in self.mine)
            or (o.kind == "release" and self.closed)
        )

    def _gear(self, o: Operation) -> bool:
        """Is it the closing and setting of the cooker, told in a clause of its own?"""
        return self.closed and not o.what and not self._timed(o) and bool(_GEAR.search(o.text))

    def _adds(self, stretch: Sequence[Operation]) -> tuple[tuple[GoesIn, ...], list[Operation]]:
        """What goes in while it cooks, each at its minute; and the operations that cook."""
        total = self.shift.pot.cook_typical
        adds: list[GoesIn] = []
        cook: list[Operation] = []
        at = 0.0
        waiting: list[Operation] = []
        for o in stretch:
            if self._half(o):
                adds.append(self._in(round_half_up(total / 2), [o]))
            elif o.phase in ("from_end", "from_start"):
                minute = total - (o.typical_min or 0.0) if o.phase == "from_end" else o.typical_min or 0.0
                held = [*waiting, o]
                waiting = []
                adds.append(self._in(max(0, round_half_up(minute)), held))
            elif o.phase in ("heat", "whistles"):
                if waiting and at > 0:
                    adds.append(self._in(round_half_up(at), waiting))
                else:
                    cook += waiting
                waiting = []
                cook.append(o)
                at += o.typical_min or 0.0
            elif at > 0 and o.basis == "said":
                waiting.append(o)
            elif o.kind == "cook_on":
                adds.append(self._in(round_half_up(at), [o]))
            else:
                cook.append(o)
        adds += [GoesIn(total, o.text) for o in self.all if o.kind == "crust"]
        if waiting:
            adds.append(self._in(min(total, round_half_up(at)), waiting))
        return tuple(adds), cook

    @staticmethod
    def _half(o: Operation) -> bool:
        m = _MIDWAY.search(o.text)
        return bool(m and m["half"]) and not o.phase and o.basis == "said"

    def _in(self, minute: int, group: Sequence[Operation]) -> GoesIn:
        return GoesIn(minute, self._words(group), self._lines(group), tuple(o.id for o in group))


class _AsItIs(_Clauses):
    """Nothing of it is the grain's: one thing after the other, but for what heats up, stands or runs beside by itself."""

    def in_order(self) -> tuple[Act, ...]:
        acts = self._groups(self.ops)
        vessel = {o.id: o.vessel for o in self.all}
        of = [{vessel[i] for i in a.ops if i in vessel} for a in acts]
        out = []
        for n, a in enumerate(acts):
            # what goes on in its vessel waits for it; another vessel's work may run beside
            later = any(of[n] & other for other in of[n + 1 :])
            beside = a.kind == "preheat" or (a.beside and not later and n < len(acts) - 1)
            out.append(replace(a, beside=beside))
        return tuple(out)


def _as_meant(o: Operation) -> Operation:
    """ "The rest of the salt" rests nothing."""
    named = o.kind == "rest" and not o.phase and re.search(r"\b(?:the rest|rest of)\b", o.text, re.I)
    if o.told and not o.phase and _NOT_DONE.match(o.text):
        # "Don't lift the lid the first 20 minutes" takes none
        return o.with_(told=None, typical_min=0.0)
    return o.with_(kind="add", typical_min=1.0) if named else o


@cache
def _signs() -> tuple[tuple[str, re.Pattern[str], float], ...]:
    text = resources.files("mealshift.process").joinpath("data/signs.toml").read_text(encoding="utf-8")
    rows = tomllib.loads(text)["sign"]
    return tuple((r["name"], re.compile(rf"\b(?:{r['words']})", re.I), float(r["typical"])) for r in rows)
