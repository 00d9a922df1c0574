"""Where a recipe cooks its grain: the stretches at the heat, where they turn from the grain's into the dish's, where they end, what stands afterwards; and how new
minutes are shared among them."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..grains import Grain, grain
from ..pot.methods import method as method_row
from ..pot.ways import cap
from ..process import BOILED_THROUGH, Operation
from ..quick import lazy, quick
from ..reading.dish import shaped
from ..reading.pot_words import POURED_ABROAD
from ..recipe import Recipe, once

# phases in which the grain is at the heat, or counted by it
AT_HEAT = ("heat", "from_end", "from_start", "whistles")
_STANDS = quick(
    r"\b(?:let|leave|left|allow|rest(?:ed|ing)?|stand(?:ing)?|sit|sits|steam off|to steam|keep (?:it )?(?:covered|closed|shut))\b",
    re.I,
)
_ASIDE = quick(
    r"\b(?:aside|(?:stand|set|sit|rest)\w* (?:the |your |it |them )?(?:[^\W\d_]+ )?(?:dish|basin|bowl|tin|ramekins?|mould)?\s?(?:in|into) (?:an? |the )?(?:[^\W\d_]+ )?(?:pan|tin|tray|bath|bain)\b|rest of|the rest|leave (?:behind|out)|bay leaves|curry leaves|leave it (?:be|alone)|\bskin|fridge|refrigerator|freezer|until (?:you|it is|they are) need(?:ed)?|as (?:it|they) (?:stands?|sits?|cools?)|thickens?|re-?heat|let (?:it|them) down|loosen)\b",
    re.I,
)
# the longest stretch takes the change of minutes unless the first is at least this share of all
FIRST_SHARE = 0.25


@once
def in_pot(recipe: Recipe) -> frozenset[str]:
    return frozenset(v.id for v in recipe.process.vessels if v.grain)


@once
def rest_said(recipe: Recipe) -> Operation | None:
    """Where the recipe lets its grain stand after the heat, with minutes or without."""
    ops, mine = recipe.process.operations, in_pot(recipe)
    timed = next((o for o in ops if o.phase == "rest"), None)
    if timed is not None:
        return timed
    last = last_heat(recipe)
    if last is None:
        at, end = untimed(recipe)
        last = at if at is not None else end - 1
    for o in ops[last + 1 :]:
        if (
            o.vessel in mine
            and o.kind == "rest"
            and not o.told
            and _STANDS.search(o.text)
            and not _ASIDE.search(o.text)
        ):
            return o
        if o.kind in ("serve", "fry", "fluff") or o.phase:
            return None
    return None


@once
def finishing(recipe: Recipe) -> tuple[Operation, ...]:
    """Minutes at the heat that are the dish's, whatever grain is in it: in the open pot when the pressure is down, under the lid when it was half boiled and
    drained, in the oven when it was cooked and filled into something."""
    ops = recipe.process.operations
    if method_row(recipe.method).locked:
        # "natural release" may have no minutes of its own
        mine = [o for o in ops if (o.told and o.typical_min) or o.kind == "release"]
        first = next((i for i, o in enumerate(mine) if o.phase in ("heat", "whistles")), len(mine))
        down = next(
            (
                i
                for i in range(first + 1, len(mine))
                if mine[i].phase in ("release", "rest") or mine[i].kind == "release"
            ),
            len(mine),
        )
        return tuple(o for o in mine[down + 1 :] if o.phase == "heat" and not _LOCKED.search(o.text))
    at = turning(recipe)
    return () if at is None else tuple(o for o in ops[at:] if o.phase == "heat" and o.told and o.typical_min)


@once
def turning(recipe: Recipe) -> int | None:
    """Index of the operation at which half-cooked grain is drained to be steamed on, or filled into what is then cooked; None if it stays in its pot."""
    ops = recipe.process.operations
    heat = [i for i, o in enumerate(ops) if o.phase == "heat" and o.told and o.typical_min]
    if len(heat) < 2:
        return None
    for i in range(heat[0] + 1, heat[-1]):
        # a sentence of one word ("Wrap.") is no operation
        a, b = ops[i - 1].span, ops[i].span
        told = recipe.text[min(a.end, b.start) : b.end] if a and b else ops[i].text
        if _poured_off_at(recipe, i) or (recipe.dish == "stuffing" and FILLED.search(told)):
            return i
    return None


def _poured_off_at(recipe: Recipe, i: int) -> bool:
    """Is the grain drained there? "Drain in a colander": what was in the pot just before."""
    o, before, pots = recipe.process.operations[i], recipe.process.operations[i - 1], in_pot(recipe)
    if o.kind != "drain" and not (o.kind in ("cool", "rinse", "chill") and DRAINED.search(o.text)):
        return False
    return recipe.source in o.what or (not o.what and not pots.isdisjoint((o.vessel, before.vessel)))


def poured_off(recipe: Recipe) -> int | None:
    """Index of the operation at which the grain that was boiled in plenty is drained, whatever is done with it then; None if it is not."""
    ops = recipe.process.operations
    boiled = next((i for i, o in enumerate(ops) if o.phase == "heat" and o.told), len(ops))
    return next((i for i in range(boiled + 1, len(ops)) if _poured_off_at(recipe, i)), None)


BAKED = lazy(r"\b(?:bak(?:e|ed|ing)|oven|roast)\b", re.I)


@once
def finished_apart(recipe: Recipe) -> bool:
    """Is the cooked grain filled into something, or mixed and baked in a tin? Then those minutes stay, whichever way it was cooked before."""
    at = turning(recipe)
    if at is None or method_row(recipe.method).locked:
        return False
    return recipe.dish == "stuffing" or all(BAKED.search(o.text) for o in finishing(recipe))


def finish_stays(recipe: Recipe, was: str, now: str) -> bool:
    """Do the minutes after the turning stay, where the way of cooking goes from `was` to `now`?"""
    return was == now or (finished_apart(recipe) and now != "steep")


DRAINED = lazy(rf"\b(?:(?:drain|strain)(?:ed|ing)?|{POURED_ABROAD})\b", re.I)
_FILLED_ABROAD = r"(?:zawi(?:ń|jaj)\w*|nadziewa\w*|nadziej|(?:be|ein|auf)?füll\w*|(?:ein|auf)roll\w*|(?:ein)?wickel\w*|farcir|farcissez|remplir|rellen\w*|riemp\w*|farci\w*|reche\w*|vul(?:len)?|fyll\w*|fyld\w*|doldur\w*)"
FILLED = quick(rf"\b(?:(?:stuff|fill|roll|pack|spoon|stand|arrange|wrap)(?:ed|s|ing)?|{_FILLED_ABROAD})\b", re.I)


@once
def in_a_sauce(recipe: Recipe) -> bool:
    """Does the grain cook within something that stands in a sauce: a pepper, a leaf, a meatball? What is filled with cooked grain is not meant."""
    line, ops = recipe.source_line, recipe.process.operations
    if line is None or line.cooked:
        return False
    last = max((o.told.start for o in ops if o.phase == "heat" and o.told), default=0)
    before = "\n".join(recipe.text[s.span.start : min(s.span.end, last)] for s in recipe.steps if s.span.start < last)
    return shaped(before) is not None or (recipe.dish == "stuffing" and bool(_WITHIN.search(before)))


def filled_raw(recipe: Recipe) -> bool:
    """Does it go into what it is filled into dry, and cook nowhere else?"""
    return in_a_sauce(recipe) and turning(recipe) is None


def rains(recipe: Recipe, was: Grain, target: Grain) -> bool:
    """Is it a meal in the place of a grain, to be rained into what boils? What is mixed into a filling is not."""
    return target.is_meal and not was.is_meal and not filled_raw(recipe)


_DRY_ROAST = lazy(r"\bdry[- ]?(?:roast|toast|fr[yi])|\bin a dry\b", re.I)


@once
def roasts_dry(recipe: Recipe) -> bool:
    """Is its grain roasted in a dry pan, as a meal may be too?"""
    return any(_DRY_ROAST.search(s.text) and recipe.source in s.mentions for s in recipe.steps)


def paste_in_filling(recipe: Recipe, g: Grain) -> str:
    """What becomes of a meal inside a filling; "" of any other grain, and in any other dish."""
    return f"{cap(g.name)} turns to a paste inside a filling." if recipe.dish == "stuffing" and g.is_meal else ""


_WITHIN = lazy(
    rf"\b(?:{_FILLED_ABROAD}|stuff(?:ed|s)?|fill(?:ed|s)?|roll(?:ed|s)?|wrap(?:ped|s)?|teaspoon\w* on|spoon\w* (?:in|on)to|put\b[^.;]*\bon (?:the|each)[^.;]*\bleaf)\b",
    re.I,
)


# closed a second time it is no finish
_LOCKED = lazy(r"\b(?:lock\w*|seal\w*|high|pressure|whistles?)\b", re.I)


@once
def boiled_through(recipe: Recipe, at: int) -> bool:
    """Is the grain done, or nearly, when it is drained?"""
    line = recipe.source_line
    if recipe.dish == "stuffing" or line is None or line.grain is None:
        return False
    boiled = sum(o.typical_min or 0.0 for o in recipe.process.operations[:at] if o.phase == "heat" and o.told)
    return boiled >= BOILED_THROUGH * grain(line.grain).simmer


# "chicken out after 25 min", "lift the drumsticks out at 30 minutes": it has cooked so long, whatever the grain takes
TAKEN_OUT = lazy(
    r"\b(?:out|lift|remove|retrieve)\b(?! (?:of the (?:freezer|fridge|oven)|(?:the )?(?:foil|lid|cover|cloth|towel|plate)\b))",
    re.I,
)


def last_heat(recipe: Recipe, replaced: bool = False, through: bool | None = None) -> int | None:
    """Index of the grain's last operation at the heat of those that state minutes. replaced: of those that another way of cooking takes the place of.
    through: was the source grain done when it was drained? None: the recipe is the source."""
    ops = recipe.process.operations
    heat = [i for i, o in enumerate(ops) if o.phase in ("heat", "whistles") and o.told]
    if heat:
        last = heat[-1]
        at = turning(recipe)
        if at is not None and (
            (replaced and finished_apart(recipe)) or (boiled_through(recipe, at) if through is None else through)
        ):
            # drained when it is done, and steamed on: it is looked at while it boils
            last = max(i for i in heat if i < at)
        # what goes in for the last minutes is said after them; what stands after the heat is off is another matter
        for i in range(last + 1, len(ops)):
            if ops[i].phase in ("rest", "release") or ops[i].kind in ("off", "release"):
                break
            if ops[i].phase in ("from_end", "from_start") and not TAKEN_OUT.search(ops[i].text):
                last = i
        return last
    late = [i for i, o in enumerate(ops) if o.phase in ("from_end", "from_start")]
    if late:
        return late[-1]
    return None


_TILL_DONE = lazy(
    r"\b(?:boil|cook|simmer|stew)(?:ed|ing)?\b[^.;!?]{0,60}\b(?:until|till|'til) (?:it is |it's |quite |very |perfectly |nearly |just )?(?:tender|soft|done|cooked)\b",
    re.I,
)


@once
def untimed(recipe: Recipe) -> tuple[int | None, int]:
    """(the operation that cooks the grain without saying how long, where the cooking ends): for a recipe that states no minutes."""
    ops, mine = recipe.process.operations, in_pot(recipe)
    grain_in = next(
        (
            i
            for i, o in enumerate(ops)
            if recipe.source in o.what
            and o.kind not in ("rinse", "soak", "drain", "chop", "cool")
            and o.basis != "implied"
        ),
        None,
    )
    if recipe.method == "rice-cooker":
        # "wash it, into the cooker, press start", "cooker on white setting": the grain is carried along unnamed
        unnamed = next(
            (i for i, o in enumerate(ops) if _IN_THE_COOKER.search(o.text) or _PRESSED.search(o.text)), len(ops)
        )
        grain_in = min(0 if grain_in is None else grain_in, unnamed)
        clicked = next((i for i, o in enumerate(ops) if _CLICKS.search(o.text)), len(ops))
        if clicked < grain_in:
            # "cooker on white setting. When it beeps …" does nothing that the grain is named in
            return None, clicked
    if grain_in is None:
        # "Wash a teacupful of rice, and boil it in a quart of milk till tender"
        poured = {ln.index for ln in recipe.lines if ln.role == "pot_liquid"}
        boils = (
            i for i, o in enumerate(ops) if o.vessel in mine and poured & set(o.what) and _TILL_DONE.search(o.text)
        )
        grain_in = next(boils, None)
    if grain_in is None:
        return None, len(ops)
    end = grain_in + 1
    while end < len(ops) and not (
        ops[end].kind in _ENDS
        or ops[end].phase in ("rest", "release", "come_up")
        or _CLICKS.search(_up_to(recipe, ops, end))
    ):
        end += 1
    if recipe.method == "rice-cooker":
        pressed = next((i for i in range(grain_in, len(ops)) if _PRESSED.search(ops[i].text)), None)
        if pressed is not None:
            clicks = next((i for i in range(pressed + 1, len(ops)) if _CLICKS.search(ops[i].text)), None)
            if clicks is not None and any(o.what for o in ops[pressed + 1 : clicks]):
                # "press start. When it bubbles, lay the chicken on top. When it clicks …"
                return None, clicks
            return None, pressed + 1
        started = [i for i in range(grain_in, end) if _STARTS.search(ops[i].text)]
        return (None, (started[-1] + 1) if started else end)
    cooks = [
        i
        for i in range(grain_in, end)
        if ops[i].vessel in mine
        and ops[i].step is not None
        and not ops[i].told
        and (ops[i].kind == "cook" and _COOKS.search(ops[i].text) or _TILL_DONE.search(ops[i].text))
    ]
    return (cooks[0] if cooks else None), end


def _up_to(recipe: Recipe, ops: Sequence[Operation], i: int) -> str:
    """What is told from the end of the operation before to the end of this one: "Normal setting. When it beeps, butter in"."""
    a, b = (ops[k].span for k in (i - 1, i))
    return recipe.text[a.end : b.end] if a and b and a.end < b.end else ops[i].text


# "Microwave the rice according to the packet", "heat the grains following pack instructions": how cooked grain from a shop is made hot
BY_THE_PACKET = lazy(
    r"\b(?:microwave|heat|warm|re-?heat|cook|prepare)\b[^.;!?]{0,30}\b(?:rice|grains?|pouch(?:es)?|packets?)\b[^.;!?]{0,40}?\b(?:packets?|packs?|package|pouch|label|manufacturer'?s?)\b(?: instructions| directions)?"
    # "cook the rice in the microwave for 2 minutes each", of a pouch that was cooked already
    r"|\b(?:cook|heat|warm)\b[^.;!?\d]{0,20}\b(?:rice|grains?|pouch(?:es)?)\b(?: in (?:the|a) microwave| \d{1,2} min\w* in (?:the|a) microwave)(?: (?:for )?\d{1,2}(?:-\d{1,2})? min(?:ute)?s?)?(?: each)?"
    r"|\bmicrowave (?:the |both )?(?:rice |grain )?(?:rice|grains?|pouch(?:es)?|packets?|sachets?)\b,? (?:for )?\d{2,3} ?sec(?:ond)?s?"
    r"|\bmicrowave (?:the |both )?(?:rice |grain )?(?:rice|grains?|pouch(?:es)?|packets?|sachets?)\b (?:for )?\d{1,2}(?:-\d{1,2})? min(?:ute)?s?(?: each)?",
    re.I,
)
GOES_ON_WITH = lazy(r"\s*[,;]?\s*(?:(?:and|then)\b\s*)+", re.I)
_ENDS = ("off", "release", "fluff", "serve", "cool", "chill")
_CLICKS = lazy(
    r"\b(?:when|once|until|after) (?:it|the \w+)(?: \w+)? (?:clicks?|switches|jumps?|pops?|turns|beeps?|sings|plays|finishes)\b",
    re.I,
)
_IN_THE_COOKER = lazy(
    r"\brice[- ]cooker\b(?! cups?)|\bcook(?:ed|s)?\b[^.;]{0,30}\b(?:rice[- ]?)?cooker\b|(?<!pressure )(?<!slow )\bcooker\b[^.;]{0,12}\b(?:on|setting|mode)\b",
    re.I,
)
_STARTS = quick(
    r"\b(?:start|switch (?:it )?on|turn (?:it )?on|set|cook|cycle|button|setting|mode|course|programme?)\b", re.I
)
_PRESSED = lazy(
    r"\b(?:press|push|hit)\b[^.;]{0,30}\b(?:button|start|cook|switch|on|white|brown|mixed|plain|sushi|normal|regular|porridge)\b",
    re.I,
)
_COOKS = lazy(
    r"\b(?:simmer|cook|boil|bak|steam|bubbl|microwav|ko(?:ok|ken|ch|ka\b)|gar(?:en|koch)|cui(?:re|s)|cuoc|lessa|cocer|coc[ei]n|cuec|hierv|hervi|cozinh|cozer|pişir|haşla|u?gotuj|rebus|masak)",
    re.I,
)


def shared(
    parts: Sequence[float],
    total: float,
    joins: bool = True,
    left: Sequence[tuple[int, float]] = (),
    hard: Sequence[bool] = (),
    heats_up: bool = False,
) -> list[float]:
    """`_shared`, but what joins raw has its time. left: (from which stretch on, minutes at least). hard: which of them are over a high heat. heats_up: is
    that what brings the liquid to the boil, as in a microwave?"""
    new = _shared(parts, total, joins)
    gentle = [i for i, h in enumerate(hard) if not h]
    more = total - sum(parts)
    if gentle and len(gentle) < len(parts) and (heats_up or (more > 0 and not joins)):
        # "10 minutes over a high heat, then 8 on the lowest": what it takes longer, it takes at the low one
        longest = max(gentle, key=lambda i: (parts[i], -i))
        if parts[longest] + more >= parts[longest] / 4:
            new = [p + (more if i == longest else 0.0) for i, p in enumerate(parts)]
    for k, least in left:
        tail, want = sum(new[k:]), min(least, max(0.0, total - 1.0))
        if tail < want and sum(parts[k:]) > 0:
            head = sum(new[:k]) or 1.0
            rest = [p * want / sum(parts[k:]) for p in parts[k:]]
            new = [*(p * (total - want) / head for p in new[:k]), *rest]
    return new


def _shared(parts: Sequence[float], total: float, joins: bool) -> list[float]:
    """The new lengths of stretches at the heat that sum to `total`: what joins late keeps its distance from the end, so one stretch takes the change, the
    first if it is a real part of the whole, else the longest; where that leaves nothing of it, all change alike. joins: is there anything that joins
    between them? Else the longest takes it: a short hard boil at the start stays short."""
    was = sum(parts)
    if not parts or was <= 0:
        return list(parts)
    longest = max(range(len(parts)), key=lambda i: (parts[i], -i))
    for i in (0, longest) if joins and parts[0] >= FIRST_SHARE * was else (longest, 0):
        left = parts[i] + total - was
        if left >= 1 and left >= parts[i] / 4:
            return [left if n == i else p for n, p in enumerate(parts)]
    alike = [p * total / was for p in parts]
    if total % 1 or any(p % 1 for p in parts) or min(alike) < 1:
        return alike
    # whole minutes are told: two and a half twice would be six
    new = [float(int(p)) for p in alike]
    for i in sorted(range(len(new)), key=lambda i: new[i] - alike[i])[: round(total - sum(new))]:
        new[i] += 1.0
    return new
