"""What shares the grain's pot and needs its heat longer than the new grain does: slow pulses, raw meat, roots.

By hand: chicken thighs (25 minutes from raw) had the 40 of brown rice; quinoa takes 15, so they get 10 minutes in the liquid before it goes in. Beside white
rice (16) they had 16 and were cut small enough for that: beside quinoa they lack one, and nothing is said.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from math import inf

from ..grains import grain
from ..measures import round_half_up
from ..process import Operation
from ..quick import found_in, lazy, quick
from ..reading import ingredients
from ..reading.clauses import LEFT_OUT
from ..reading.dish import ALL_OF_IT, grain_lines
from ..reading.pot_words import CLASS, TAKEN_OUT_ABROAD
from ..recipe import Line, Recipe, once
from ..text.times import stretches

# fewer missing minutes than these are within what a pot differs
LEAST_PULSE, LEAST_BESIDE = 2, 4
_SIZES = lazy(r"^(?:(?:piece|pieces|large|small|medium|lean|extra|raw)\s+)+", re.I)
_PREPARED = lazy(
    r"\s+(?:peeled|deveined|trimmed|cut|sliced|diced|chopped|cleaned|halved|skinned|boned|thawed|cubed|in (?:chunks|pieces|strips))\b",
    re.I,
)
_HEATED = quick(
    r"\b(?:brown|sear|fry|fried|saut|render|boil|simmer|poach|cook|roast|bake"
    r"|(?:an|ge)?brat|köchel|koch|dünst|revenir|dorer|saisir|rissol|mijot|cuire|sofr|dora|cocin|cocer|cuec|sell|rosol|soffrig|cuoc|less|refog|cozinh|coz|bak|kook|stoof|bryn|fräs|stek|koka|brun|steg|kog|smaż|obsmaż|gotuj|kavur|pişir|haşla|tumis|rebus|masak)",
    re.I,
)
_DONE = lazy(
    r"\b(?:tender|cooked through|no longer pink|until (?:just )?(?:done|cooked|soft)|till (?:just )?(?:done|cooked|soft))\b",
    re.I,
)
_CUT_SMALL = quick(
    r"\b(?:strips?|thin(?:ly)?|slivers?|diced|minced|small (?:pieces|cubes|dice)|cut small|finely|shaved)\b", re.I
)
_COOKED_FIRST = lazy(r"\b(?:boil|simmer|stew|brais|poach)\w*\b.{0,60}\b(?:tender|soft|hours?|done)\b", re.I | re.S)
# at pressure a pulse takes so much of its time on the stove, and while the pressure falls it cooks on
AT_PRESSURE, FALLING_MIN, ONE_POT_MIN = 0.4, 6.0, 8.0
# air under foil heats meat more slowly than a simmer does
IN_OVEN = 1.5
# what is cut small takes no longer than this
SMALL_MIN = 10.0
# and softened in fat for so long it needs no liquid any more
SOFTENED_MIN = 6.0
# a browning without minutes
BROWNS_MIN = 5.0
_IT = lazy(r"\b(?:it|them)\b", re.I)
_TAKEN_OUT = lazy(
    rf"\b{TAKEN_OUT_ABROAD}\b|\b(?:aside|remove[sd]?(?! (?:the )?(?:foil|lid|cover))|(?:lift(?:ed)?|fish) out|take(?:n)? (?:it |them |the \w+ )?out|^\W*out\W*$|(?:tip|scoop|spoon)(?:ped|ed)? (?:it |them )?out|keep (?:it |them )?(?:warm|hot)|to a (?:plate|bowl)|onto a plate|on a plate|shred|reserve|transfer)\b",
    re.I,
)
_LATE = ("from_end", "from_start")


def called(line: Line) -> str:
    """A thing as a sentence calls it: "2 large Potatoes (floury)" are the potatoes."""
    words = _SIZES.sub("", re.split(r"[?(,;:]", line.name)[0].strip())
    words = _PREPARED.split(words)[0] or words
    # a noun keeps its capital where the tongue gives it one
    return words.lower() if words.istitle() and not ingredients.is_foreign(words) else words


@dataclass(frozen=True, slots=True)
class Early:
    """A thing that goes in `minutes` before the grain. raw: unsafe if it gets less than its time. had: does the recipe give it some of its own before?"""

    line: Line
    minutes: int
    raw: bool
    had: bool

    @property
    def name(self) -> str:
        return called(self.line)


@dataclass(frozen=True, slots=True)
class _Wants:
    """Minutes at the heat that a thing beside the grain wants of it. least: so many that it lacks are worth a head start; at_pressure: of the pulses' own
    at pressure those it has not had."""

    line: Line
    minutes: float
    had: bool
    raw: bool
    least: float
    at_pressure: float | None = None


def early(recipe: Recipe, now_min: float) -> tuple[Early, ...]:
    """now_min: minutes at the heat that the new grain takes. What the recipe itself gave less than its time keeps what it had."""
    found = []
    for w in _wanting(recipe):
        missing = round_half_up(w.minutes - now_min)
        if w.at_pressure is not None and missing > ONE_POT_MIN:
            # a few minutes more the grain bears; for many the pulse's own time at pressure is looked at
            missing = min(missing, round_half_up(w.at_pressure - now_min))
        if missing >= w.least:
            found.append(Early(w.line, missing, w.raw, w.had))
    return tuple(sorted(found, key=lambda e: -e.minutes))


@once
def _wanting(recipe: Recipe) -> tuple[_Wants, ...]:
    was = recipe.simmer_min
    if was is None:
        return ()
    found = []
    mine = grain_lines(recipe)
    locked = "pressure" in recipe.method
    # what is laid on it later has no start before it: it is cooked on when the grain is done
    later = {j.line.index for j in raw_later(recipe)}
    for ln in recipe.lines:
        if ln in mine or ln.index in later:
            # a second rice that shares the pot becomes the new grain too
            continue
        if ln.role == "absorber" and ln.minutes:
            # "boil the lentils 15 minutes, then add the rice": those it has had
            heated = _heated(recipe, ln)
            at_pressure = ln.minutes * AT_PRESSURE - FALLING_MIN - heated if locked else None
            if ln.minutes > heated:
                found.append(_Wants(ln, min(ln.minutes - heated, was), heated > 0, False, LEAST_PULSE, at_pressure))
        elif ln.grain and ln.ml and not ln.cooked and (had := _beside_the_grain(recipe, ln)):
            # wild rice that went in before the basmati stays, and wants what it had
            heated = _heated(recipe, ln)
            if (wants := grain(ln.grain).simmer - heated) > 0:
                found.append(_Wants(ln, min(wants, had), heated > 0, False, LEAST_BESIDE))
        elif ln.role in ("beside", "watery", "timed", "after"):
            wants, raw = ingredients.heat_wanted(ln)
            wants *= IN_OVEN if raw and recipe.method == "oven" else 1.0
            had = _beside_the_grain(recipe, ln) if wants else 0.0
            wants = min(wants, SMALL_MIN) if _CUT_SMALL.search(ln.text) else wants
            wants = wants - _heated(recipe, ln) if had else 0.0
            if not raw and _CUT_SMALL.search(ln.text) and _heated(recipe, ln) >= SOFTENED_MIN:
                # "finely chopped", and softened in butter: done
                continue
            if wants > 0:
                # of the few minutes at pressure each is worth three, and chicken has none to spare
                found.append(_Wants(ln, min(wants, had), False, raw, LEAST_PULSE if raw and locked else LEAST_BESIDE))
    return tuple(found)


@dataclass(frozen=True, slots=True)
class Joins:
    """A raw thing that joins while the grain cooks, at the operation of this id, and is safe after `minutes` of the heat that is left."""

    line: Line
    operation: str
    minutes: float


@once
def raw_later(recipe: Recipe) -> tuple[Joins, ...]:
    """Raw fish and meat laid on the grain when it has cooked for a while: their minutes are theirs, however quick the grain is."""
    ops = recipe.process.operations
    first = next((i for i, o in enumerate(ops) if o.phase == "heat" and o.told), None)
    if first is None:
        return ()
    out = []
    for ln in recipe.lines:
        wants, raw = ingredients.heat_wanted(ln)
        had = _beside_the_grain(recipe, ln) if raw else 0.0
        spoken = [i for i, o in enumerate(ops) if ln.index in o.what and o.vessel == ops[first].vessel] if had else []
        joins = next((i for i in spoken if i > first), None)
        if joins is None or any(i <= first for i in spoken) or _heated(recipe, ln) >= wants:
            continue
        out.append(Joins(ln, ops[joins].id, min(wants, had)))
    return tuple(out)


@once
def raw_meanwhile(recipe: Recipe) -> tuple[Joins, ...]:
    """`raw_later`, and what is laid raw into a rice cooker at work, which goes on for nobody knows how long."""
    known = raw_later(recipe)
    ops = recipe.process.operations
    if recipe.method != "rice-cooker":
        return known
    started = next((i for i, o in enumerate(ops) if o.kind == "cook" and not o.what), len(ops))
    rests = next((i for i, o in enumerate(ops) if i > started and o.phase == "rest"), len(ops))
    out = []
    for ln in recipe.lines:
        wants, raw = ingredients.heat_wanted(ln)
        spoken = [i for i, o in enumerate(ops) if ln.index in o.what] if raw else []
        if spoken and started < spoken[0] < rests and _heated(recipe, ln) < wants:
            out.append(Joins(ln, ops[spoken[0]].id, wants))
    mine = {j.line.index for j in out}
    return (*(j for j in known if j.line.index not in mine), *out)


@once
def raw_at_rest(recipe: Recipe) -> bool:
    """ "Off the heat, stir in the prawns, cover, 8 minutes": is something raw done by what stands closed?"""
    ops = recipe.process.operations
    heats = [i for i, o in enumerate(ops) if o.phase in ("heat", "whistles") and o.told]
    rests = [i for i, o in enumerate(ops) if o.phase == "rest" and o.told]
    if not heats or not rests or rests[-1] < heats[-1]:
        return False
    between = ops[heats[-1] + 1 : rests[-1] + 1]
    for ln in recipe.lines:
        wants, raw = ingredients.heat_wanted(ln)
        joins = raw and any(ln.index in o.what for o in between)
        if joins and not any(ln.index in o.what for o in ops[: heats[-1] + 1]) and _heated(recipe, ln) < wants:
            return True
    return False


def _beside_the_grain(recipe: Recipe, line: Line) -> float:
    """Minutes that it has at the heat in the grain's pot: 0 if it is not in there, is taken out before, or joins when it is counted from the end."""
    ops = recipe.process.operations
    mine = {v.id for v in recipe.process.vessels if v.grain}
    heats = [i for i, o in enumerate(ops) if o.phase == "heat" and o.vessel in mine]
    if not heats:
        return 0.0
    spoken = [i for i, o in enumerate(ops[: heats[-1] + 1]) if line.index in o.what and not left_out_of(o, line)]
    spoken = spoken or _with_all(recipe, line)
    if not spoken or spoken[-1] > heats[-1]:
        return 0.0
    last = ops[spoken[-1]]
    if last.phase in _LATE or _of_another_dish(recipe, line, last, ops[heats[-1]]):
        return 0.0
    # "brown it, and set it aside": what is said right after it is said of it
    after = [o for o in ops[spoken[-1] : heats[-1]] if o.step == last.step and o.phase != "heat"]
    if any(_TAKEN_OUT.search(o.text) for o in [last, *after]):
        # "set aside … add everything else": with what was set aside, if nobody says otherwise
        back = [i for i in range(spoken[-1] + 1, heats[-1] + 1) if ALL_OF_IT.search(ops[i].text)]
        if not back or left_out_of(ops[back[0]], line):
            return 0.0
        return sum(ops[i].typical_min or 0.0 for i in heats if i >= back[0])
    if last.vessel not in mine:
        return 0.0
    # "remove the chicken … put it on top": it has what comes after it is back
    out = max((n for n, i in enumerate(spoken) if _TAKEN_OUT.search(ops[i].text)), default=-1)
    joins = next(i for i in spoken[out + 1 :] if ops[i].vessel in mine)
    return sum(ops[i].typical_min or 0.0 for i in heats if i >= joins)


def _with_all(recipe: Recipe, line: Line) -> list[int]:
    """ "Put everything in the pot": where a thing of the list goes in that no step calls by its name, and that is not left out of it."""
    ops = recipe.process.operations
    if line.section.startswith("step ") or any(line.index in o.what for o in ops):
        return []
    return [i for i, o in enumerate(ops) if ALL_OF_IT.search(o.text) and not left_out_of(o, line)][:1]


def left_out_of(o: Operation, line: Line) -> bool:
    """ "Everything except the chicken", of chicken thighs?"""
    words = [w.rstrip("s") for w in re.findall(r"[^\W\d_]{4,}", line.name.lower())]
    return any(w in m[0].lower() for m in found_in(LEFT_OUT, o.text) for w in words)


def _of_another_dish(recipe: Recipe, line: Line, said: Operation, cooked: Operation) -> bool:
    """Does it stand in a list of its own, and in steps under another head than those that cook the grain?"""
    source = recipe.source_line
    if source is None or said.step is None or cooked.step is None or line.section.startswith("step "):
        return False
    return line.section != source.section and recipe.steps[said.step].section != recipe.steps[cooked.step].section


def _heated(recipe: Recipe, line: Line) -> float:
    """Minutes that it has been at the heat before it shares the grain's: endless where the recipe makes it tender first."""
    ops = recipe.process.operations
    liquids = {ln.index for ln in recipe.lines if ln.carrier}
    pulse = line.role == "absorber" or line.grain is not None
    named: list[tuple[Operation, bool]] = []
    for o in ops:
        # "rinse the lentils, boil in 800 ml of the water for 15 min", "take the beef, boil it until soft": of the same thing
        before, is_its = named[-1] if named else (o, False)
        it = pulse and set(o.what) <= liquids or _IT.search(o.text)
        goes_on = is_its and before.step == o.step and bool(it)
        named.append((o, line.index in o.what or goes_on))
    mine = [o for o, is_mine in named if is_mine and o.phase != "heat" and (o.phase == "pan" or _HEATED.search(o.text))]
    if any(_DONE.search(o.text) for o in mine):
        return inf
    steps = [o.step for o in recipe.process.operations if line.index in o.what and o.step is not None]
    if line.grain is None and any(_COOKED_FIRST.search(recipe.steps[n].text) for n in steps if n < max(steps)):
        # "put the beef on with water, boil it till tender" is a step of its own
        return inf
    of_its_own = sum(max(o.typical_min or 0.0, _told_behind(recipe, o)) or BROWNS_MIN for o in mine)
    return max(of_its_own, _left_on(recipe, line, ops))


def _left_on(recipe: Recipe, line: Line, ops: Sequence[Operation]) -> float:
    """ "Put in the chicken, the lentils and the water. Bring up, cover, and simmer for 45 minutes": what is in the pot has what the pot is given in that step."""
    i = next(
        (
            i
            for i, o in enumerate(ops)
            if line.index in o.what
            and (o.kind in ("add", "stir", "fry", "toast", "boil", "cook") or CLASS["ADD"].search(o.text))
        ),
        None,
    )
    if i is None or ops[i].step is None:
        return 0.0
    liquids = {ln.index for ln in recipe.lines if ln.role == "pot_liquid"}
    had, hot, wet = 0.0, False, False
    for o in ops[i:]:
        hot = hot or o.step == ops[i].step and (o.kind in ("fry", "boil", "cook") or _HEATED.search(o.text) is not None)
        if (
            # what was browned stews on: "2) water just over it, slow 1 hour"
            (o.step != ops[i].step and not hot)
            or o.vessel != ops[i].vessel
            or o.phase == "heat"
            or o.kind in ("cool", "chill")
            or recipe.source in o.what
            or _TAKEN_OUT.search(o.text)
        ):
            break
        wet = wet or bool(liquids & set(o.what)) or CLASS["LIQUID"].search(o.text) is not None
        here = o.step == ops[i].step and (o.kind in ("cook", "boil") or _HEATED.search(o.text))
        # what is told of another thing is that one's
        stews = hot and wet and o.kind not in ("rest", "off", "soak") and not set(o.what) - liquids - {line.index}
        # a clause that says no minutes has only what such a thing usually takes
        if o.typical_min and (here or stews) and any(stretches(o.text)):
            had += o.typical_min
    return had


def _told_behind(recipe: Recipe, o: Operation) -> float:
    """ "Boil the chicken with cardamom, bay, 1 onion, 45 minutes": its minutes stand behind another thing of the same sentence."""
    if o.step is None or o.span is None:
        return 0.0
    step = recipe.steps[o.step]
    most = 0.0
    for later in recipe.process.operations:
        if later.step != o.step or later.span is None or later.span.start < o.span.end:
            continue
        between = step.text[o.span.end - step.span.start : later.span.start - step.span.start]
        if later.kind != o.kind or later.phase == "heat" or re.search(r"[.;!?]", between):
            break
        most = max(most, later.typical_min or 0.0)
    return most
