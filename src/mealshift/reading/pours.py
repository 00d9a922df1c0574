"""Which liquids the grain's pot drinks, where the words alone leave it open: the choice whose sum fits a pot of this grain best.

The tagger of roles gives each liquid its chance to be the pot's. Taken one by one, a slip leaves a pot dry or drowns it; so, as with the minutes
(settle.py), the choices are weighed together: the chance of each times how likely such a sum is for so much grain. What the sum has decided against
the tagger is asked.

A case by hand: 200 g of long white, "1½ cups water" (355 ml, chance in the pot .4), "½ cup milk" (118 ml, .9). The milk alone has chance .54 and is less than
the grain can live on: weight .1. Both have .36 and are usual: weight 1. So the water goes into the pot.
"""

from __future__ import annotations

import itertools
import math
import re
from collections.abc import Sequence
from dataclasses import dataclass

from ..grains import grain
from ..measures import RANGE_PATTERN, Measures
from ..process import Span
from ..quick import lazy, quick
from ..recipe import Line
from ..text.amounts import AMOUNT, parse
from ..text.sentences import sentences
from . import ingredients
from .clauses import THINGS
from .names import find_grains
from .structure import Structure

# chances beyond these are not turned over
LEAST, MOST, AT_ONCE = 0.02, 0.97, 6
A_POT_OF_SOUP_ML = 2500.0
_WET_DISHES = ("porridge", "pudding", "soup")


def _fits(ml: float, grain_g: float, slug: str, dish: str) -> float:
    """How likely so much water is for so much grain: 1 within what cooks pour, less the further out."""
    g = grain(slug)
    low, high = g.texture_range()
    least = 0.85 * grain_g * g.hydration_at(max(0.0, low))
    most = 1.25 * grain_g * g.hydration_at(min(2.0, high)) + 250
    if dish in _WET_DISHES:
        # a soup is made by the pot, however little grain is in it
        most = max(most, 14 * grain_g, A_POT_OF_SOUP_ML if dish == "soup" else 0.0)
    elif dish in ("soft", "stirred"):
        most = max(most, 6 * grain_g)
    if ml <= 0:
        return 0.02
    if ml < least:
        return math.exp(-0.5 * (math.log(least / ml) / 0.3) ** 2) + 0.01
    if ml > most:
        return math.exp(-0.5 * (math.log(ml / most) / 0.45) ** 2) + 0.01
    return 1.0


def choose(
    lines: Sequence[Line], source: int | None, tagged: Sequence[tuple[str, float]], chances: Sequence[float], dish: str
) -> dict[int, bool]:
    """{line: is it the pot's} for the liquids where the sum speaks against the tagger. chances: of each line, to feed the grain's pot."""
    if source is None or lines[source].cooked or not lines[source].g or not lines[source].grain:
        return {}
    mine = lines[source]
    if any(ln.kind == "milk" and (ln.ml or 0.0) >= 1.5 * (mine.ml or 1e9) for ln in lines):
        dish = "pudding"
    sure_ml = 0.0
    open_: list[tuple[int, float, float]] = []
    for ln, (label, _), p in zip(lines, tagged, chances, strict=True):
        ml = (ln.ml or ln.g or 0.0) * ln.fraction if ln.fraction else 0.0
        if ln.index == source or ln.grain or not ml or ln.corrected or ln.fraction < 0.5:
            continue
        in_pot = label in ("liquid", "wet")
        if p >= MOST or p <= LEAST or ml < 0.2 * (mine.ml or 0.0):
            sure_ml += ml if in_pot else 0.0
        else:
            open_.append((ln.index, ml, p))
    open_.sort(key=lambda x: abs(x[2] - 0.5))
    # of more than can be turned over, the surer ones stay as the tagger has them
    sure_ml += sum(ml for i, ml, _ in open_[AT_ONCE:] if tagged[i][0] in ("liquid", "wet"))
    open_ = open_[:AT_ONCE]
    now = {i: tagged[i][0] in ("liquid", "wet") for i, _, _ in open_}
    if not open_:
        return {}
    best, best_weight, of_now = now, -1.0, 0.0
    for said in itertools.product((False, True), repeat=len(open_)):
        total = sure_ml + sum(ml for (_, ml, _), yes in zip(open_, said, strict=True) if yes)
        weight = _fits(total, mine.g or 0.0, mine.grain or "", dish)
        for (_, _, p), yes in zip(open_, said, strict=True):
            weight *= p if yes else 1 - p
        choice = {i: yes for (i, _, _), yes in zip(open_, said, strict=True)}
        if choice == now:
            of_now = weight
        if weight > best_weight:
            best, best_weight = choice, weight
    # the tagger has seen the words: it is overruled only by much
    if best_weight < (OVERRULED if sum(best.values()) > sum(now.values()) else DRIED) * of_now:
        return {}
    return {i: yes for i, yes in best.items() if yes != now[i]}


# more water on the word of a sum is soon poured off again; less is a dry pot
OVERRULED, DRIED = 1.5, 4.0
# times the grain's volume; the thinnest soup has no more
MOST_PER_GRAIN = 20.0


_MADE_UP = quick(
    r"\b(?:(?:fill|top|make|made|topped|filled)(?: it| them| this| that| the (?:[^\W\d_]+ ){1,3}?)? ?up (?:with|to)(?: (?:the )?(?:dashi|stock|broth|water) to)?|with (?:enough )?(?:more )?(?:\w+ )?water to (?:make|come to|give|measure)|enough (?:more )?(?:\w+ )?water to (?:the |these |this )?[^.;\d]{0,32}? to (?:make|come to|give|measure|equal)|water (?:to (?:make|measure|come to|give)|(?:till|until|so) [^.;\d]{0,24})"
    r"|(?:you |there )?(?:should|must|ought to) (?:now )?(?:have|be|come to)|(?:you(?:'ll)? )?(?:want|need)|altogether|all together|in all)\b|\b(?:liquor|dashi|stock|broth|water) \+ (?:the )?(?:liquor|dashi|stock|broth|water|milk) =|\bmeasure (?:out )?(?:the |your )?\w+\s*[:,]|\bstrain(?:ed)?(?: it| well)?[.;:,]\s+(?=(?:\d|[½¼¾⅓⅔])[^.;]{0,14}(?:[.;]|$))",
    re.I,
)


# letters before "400 ml of the liquor" in which it was kept
NEAR = 900
_STRAINED = lazy(
    r"\b(?:keep|save|reserve) (?:the |that |this |all the )?(?:broth|stock|liquor|liquid)\W*$|\bstrain\w*[^.;!?]*[.;!?]?\s*$",
    re.I,
)
_SO_MUCH = lazy(r"(?:you(?:'ll)? )?(?:want|need|should have)", re.I)


def _of_liquid(verbs: str) -> re.Pattern[str]:
    """One of the verbs and "3 cups of the bean liquid": a is the amount, of the liquid and what it is of."""
    return re.compile(
        rf"\b(?:{verbs})\s+(?:about |at least |exactly )?(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\s+(?:of )?(?:the |its |their |this |that )?(?P<of>(?:[^\W\d_]+[- ]){{0,3}}?(?:liquid|liquor|water|broth|stock|juices?))\b",
        re.I,
    )


# "drain, reserving 3 cups of the bean liquid": what another thing was boiled in
_KEPT = _of_liquid("reserv(?:e|ing)|sav(?:e|ing)|keep(?:ing)?|retain(?:ing)?|set(?:ting)? aside")
# "Strain the broth; reserve 6 cups and freeze the rest", "there should be two litres": what of it is said by the sentence before
_KEPT_OF_IT = lazy(
    rf"\b(?:reserv(?:e|ing)|sav(?:e|ing)|keep(?:ing)?|measur(?:e|ing)(?: out)?|(?:return|put|pour)(?:t?ing)?(?=[^.;!?]{{4,40}}? back\b)|there (?:should|must|will|ought to) be|you (?:should|will|need to) have)\s+(?:about |around |at least |roughly )?"
    rf"(?P<a>{RANGE_PATTERN}\s*(?:cups?|c\.|quarts?|qts?\.?|pints?|l|litres?|liters?|ml|mls))(?P<of>(?: of)?(?: the)? (?:liquid|liquor|likker|broth|stock|water))?(?=\s*(?:(?:back )?(?:in|into|to) (?:the )?(?:(?:same|clean|rinsed|washed) )?(?:pot|pan|saucepan)\b|back\b|with (?:the )?\w+\b|and\b|or so\b|near enough\b|for\b|left\b|[.;,)]|$))",
    re.I,
)
_A_BROTH = lazy(r"\b(?:strain|broth|stock|liquor|soup)\w*\b[^\n]{0,90}$", re.I)
# "measure 1¼ pints of the fish water and pour it in"
_DRAWN = _of_liquid("measur(?:e|ing)(?: out| off)?|tak(?:e|ing)|us(?:e|ing)|ladl(?:e|ing)(?: in)?")
# "boil the peas … until 2 cups of liquor remain", and the rice goes in
_LEFT = lazy(
    rf"(?:\b(?:until|till|(?<!there )(?:should be|should have|must be|(?:you|we|i) (?:want|need|are after)|you'll want))\s+|(?<=[;,.]\s))(?:about |only |just )?(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\.?\s+(?:of )?(?:the )?(?P<of>(?:[^\W\d_]+ )?(?:liquid|liquor|water|broth|stock))\s+(?:remains?|(?:is|are) left|left|(?:should|must|will) (?:remain|be left))\b",
    re.I,
)
# "cook the rice in the other 2 cups of broth": the first went to something else
_OTHER = quick(
    rf"\b(?:remaining|other|rest,)\s+(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\.?\s+(?:of )?(?:the |your )?(?P<of>(?:[^\W\d_]+ )?(?:liquid|water|broth|stock))\b",
    re.I,
)
_ANOTHER_POT = lazy(
    r"\b(?:another|second|separate|different|large|clean) (?:\w+ )?(?:pot|pan|saucepan|skillet)\b", re.I
)
_WET = quick(r"(?:liquid|liquor|water|broth|stock|juice|agua|água|caldo|acqua|brodo)", re.I)
# "Poach the fish … keep the liquor." and then "400 ml of the liquor"
_PUT_BY = lazy(
    r"\b(?:keep|save|reserve|strain)\b[^.;!?]{0,24}\b(?:liquor|liquid|broth|stock|water)\b|\bstrain(?: it)?[.;!]"
    r"|\b(?:guard|reserv|conserv)\w+ (?:el|la|su|il|l'|l’|a|o)? ?(?:agua|caldo|acqua|brodo|água)\b",
    re.I,
)
_OF_IT = quick(
    rf"\b(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\s+of (?:the |that |this )?(?P<of>(?:(?:poaching|cooking|simmering|fish|chicken|meat|ham|bean) )?(?:liquor|liquid|broth|stock|water))\b",
    re.I,
)
# "add the beans with 3 cups of their water", "con 3 tazas de su agua"
_OF_THEIRS = quick(
    rf"\b(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\s+(?:of (?:their|its)(?: own)?|de su|del loro|da sua) (?P<of>(?:cooking )?(?:liquor|liquid|broth|stock|water|agua|caldo|acqua|brodo|água))\b",
    re.I,
)
_ITS_BROTH = lazy(
    rf"\b(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\s+(?:of )?(?:the |that |this )?(?:(?:hot|boiling|strained) )?(?P<of>(?:(?:chicken|meat|mutton|lamb|beef|bone) )?(?:yakhni|broth|stock|liquor))\b",
    re.I,
)
_SIEVED = lazy(r"\bstrain(?:ed)?\b|\b(?:chaan|chhaan|sieve)\b", re.I)
_OF_A_THING = quick(rf"\b(?:{'|'.join(THINGS[k] for k in ('meat', 'pulse', 'veg'))})\b", re.I)
_THE_KEPT = lazy(
    r"\b(?:reserved|saved|kept|retained|set[- ]aside)\b[^.;,]{0,32}?\b(?:liquid|liquor|water|broth|stock|juices?)\b",
    re.I,
)
# "a ladleful of stock … the remaining stock": what goes in first is a part of it
THE_REST = lazy(
    r"\b(?:the )?(?:remaining|rest of the|remainder of the|other) (?:hot |warm |boiling |simmering )?(?:(?!of )[a-z]+ )?(?P<of>stock|broth|water|milk|bouillon)\b",
    re.I,
)
KEPT = "reserved liquid"
# so much of what the list has, and the rest of it goes nowhere
PART = "the liquid"
# the names of what is no thing of its own: a sum of what the list has, or a part of it
SUMS = ("liquid", KEPT, PART)
# so near to a line of the list, a sum is that line
SAME_SUM = 0.03
# "1 tin coconut milk + water to make 3½ cups", in the list itself
TO_MAKE = lazy(
    rf"(?:(?:\+|,|&|\bplus|\band|\bwith)\s*(?:enough )?(?:more )?(?:hot |cold |boiling )?(?:(?:water|stock|broth)(?: to (?:make|measure|come to|give)(?: up)?(?: to)?(?: a total of)?| ?=)|(?:air|agua|acqua|wasser|pani|su|vatten|vand|eau) ?=)|\b(?:topped|made) up (?:with (?:hot |cold |boiling )?(?:water|stock) )?to(?: about)?)\s*(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)",
    re.I,
)
# "1 tin chickpeas and their water made up to 2 mugs"
_ITS_WATER = lazy(r"\b(?:their|its|the) (?:own |tin |can )?(?:water|liquid|juices?|liquor|brine)\b", re.I)
_BROTH = lazy(r"\b(?:water|stock|broth|milk|liquid|liquor|juice|tins?|jug|yakhni|soup|(?:pot )?likker)\b", re.I)


@dataclass(frozen=True, slots=True)
class MadeUp:
    """A pouring told by its sum. line: the sum's index. parts: the liquids it is made of, no pourings of their own any more."""

    line: int
    parts: frozenset[int]


def reserved(
    lines: list[Line], laid: Structure, source: int | None, measures: Measures
) -> tuple[list[Line], MadeUp | None]:
    """ "Drain the beans, reserving 3 cups of the liquid … add the reserved liquid": that is the pot's water, and what the beans were boiled in is not. The kept
    amount stands as a line of its own. What the grain itself was boiled in is kept for something else."""
    if source is None or lines[source].cooked or not lines[source].g:
        return lines, None
    handle = ingredients.handle(lines[source])
    less = _less_than_listed(lines, laid, lines[source].ml or 0.0, measures)
    before = ""
    for n, piece in enumerate(laid.steps, 1):
        if not _WET.search(piece.text):
            before += piece.text + "\n"
            continue
        m = _KEPT.search(piece.text[:4000])
        drawn = None if m else _DRAWN.search(piece.text[:4000])
        if drawn and _OF_A_THING.search(drawn["of"]):
            m = drawn
        left = None if m else _LEFT.search(piece.text[:4000])
        other = None if m or left else _OTHER.search(piece.text[:4000])
        m = m or left or other
        theirs = None if m else _OF_THEIRS.search(piece.text[:4000])
        of_it = None if m else theirs or _OF_IT.search(piece.text[:4000])
        if of_it and THE_REST.search(piece.text, of_it.end()):
            of_it = None
        if of_it and _PUT_BY.search((before + piece.text[: of_it.start()])[-NEAR:]):
            m = of_it
        strained = None if m else _ITS_BROTH.search(piece.text[:4000])
        if strained and not any(ln.kind == "stock" and not ln.section.startswith("step ") for ln in lines):
            # "Strain. … Put 4 glasses of yakhni": of the water that the meat was boiled in
            m = of_it = strained if _SIEVED.search((before + piece.text[: strained.start()])[-NEAR:]) else None
        of_the_broth = None if m else _KEPT_OF_IT.search(piece.text[:4000])
        if of_the_broth and (
            of_the_broth["of"] or _A_BROTH.search(before[-NEAR:] + piece.text[: of_the_broth.start()])
        ):
            m = of_the_broth
        if m is None and less and less[0] == n:
            m = less[1]
        shared = _share(lines, laid, n, handle, lines[source].grain) if m is None or m is other else None
        if shared:
            m, other = shared, None
        if m is None:
            before += piece.text + "\n"
            continue
        # "Add the rice to the lentil pot (should be about 2½ cups of water left in it)"
        said = next((a for a, b in sentences(piece.text) if left and a <= m.start() < b), m.start())
        told = before + piece.text[: m.start()]
        rest = False
        if other and handle is not None:
            a, b = next(((a, b) for a, b in sentences(piece.text) if a <= m.start() < b), (0, len(piece.text)))
            told = before + piece.text[:a]
            rest = bool(handle.search(piece.text, a, b)) and not handle.search(told)
            if not rest and _ANOTHER_POT.search(piece.text, 0, a):
                # "In another pot … add the basmati, toast 2 minutes. Add remaining 2 1/2 cups stock": what went before is in the first
                mine = {f.slug for f in find_grains(piece.text[:b]) if not f.generic} == {lines[source].grain}
                rest = mine and lines[source].grain not in {f.slug for f in find_grains(before)}
        later = piece.text[said if left else m.end() :] + "\n" + "\n".join(p.text for p in laid.steps[n:])
        item = parse(piece.text, m.start("a"), m.end("a"), measures)
        kind = ingredients.kind_of("stock" if re.search(r"\b(?:stock|broth)$", m[0], re.I) else "water")[0]
        again = any(
            (
                left,
                _THE_KEPT.search(later),
                " " in (m["of"] or "").strip() and m["of"].lower() in later.lower(),
                m["a"] in later,
            )
        )
        joins = (
            drawn
            or (less and m is less[1])
            or rest
            or shared
            or (m is of_it and handle is not None and handle.search(piece.text))
            or (theirs and handle is not None and handle.search(before))
            or (m is of_the_broth and handle is not None and handle.search(later) and not handle.search(told))
            or (
                again
                and handle is not None
                and handle.search(later)
                and not handle.search(before + piece.text[:said] if left else told)
            )
        )
        if not item.ml or kind is None or not joins:
            before += piece.text + "\n"
            continue
        at = piece.span.start
        kept = ingredients.liquid(
            len(lines),
            m[0],
            at + m.start(),
            f"step {n}",
            PART if less and m is less[1] else KEPT,
            kind,
            item.ml,
            Span(m.start("a") - m.start(), m.end("a") - m.start()),
            item.value,
            item.unit,
        )
        there = next((ln for ln in lines if ln.span.start < kept.span.end and kept.span.start < ln.span.end), None)
        listed = None if there or m is shared else _listed(lines, item.ml)
        index = len(lines) if there is None else there.index
        if listed is not None:
            # "800 ml of the duck broth", which the steps measure out: it is that line
            index = listed.index
        # it can only be kept of more than that, poured before
        parts = frozenset(
            ln.index
            for ln in lines
            if ln.index != index
            and (
                (less and m is less[1] and ln.index == less[2])
                or (shared and ln.carrier and not ln.section.startswith("step "))
                or (
                    (ln.carrier or (m is of_it and ln.fraction))
                    and (ln.ml or item.ml) >= item.ml
                    and _poured_in(ln, told)
                )
            )
        )
        out = list(lines)
        if listed is None:
            out[index : index + 1] = [kept.with_(index=index)]
        return out, MadeUp(index, parts)
    return lines, None


# what goes in of a liquid that the list has more of, in one pouring
LEAST_OF_IT = 0.4
_ADDS = quick(r"\b(?:add|pour|tip|stir|put|cover|cook|simmer|boil|bring)\w*\b[^.;!?]{0,40}$", re.I)
_SOME_OF_IT = quick(
    rf"\b(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\s+(?:of )?(?:the |that |this |your )?(?:(?:hot|boiling|warm|simmering|cold|chicken|vegetable|veg|beef|fish) )*(?P<of>liquid|broth|stock|water)\b(?! (?:cubes?|pots?|powder))(?![^.;!?]{{0,40}}\b(?:each|per|both|apiece|twice)\b)",
    re.I,
)
_SOAKED_IN = lazy(r"\b(?:soak|rins|wash|marinat)\w*", re.I)
# more of it comes later, at once or by the ladle
_AND_MORE = lazy(
    r"\b(?:add|pour|stir|tip|put|use|with|then)\w*(?: (?:in|on|over))? (?:the )?(?:rest|remainder|remaining|other)\b|\b(?:the )?(?:rest|remainder|remaining \w+) (?:goes|go|is|are) (?:in|added|poured)\b"
    r"|\bmore (?:of (?:the|it)|(?:hot |boiling )?(?:stock|broth|water|liquid))\b|\bladle\w*\b|\bgradually\b|\bat a time\b|\bsecond (?:half|part|lot)\b",
    re.I,
)


def _less_than_listed(
    lines: Sequence[Line], laid: Structure, mine_ml: float, measures: Measures
) -> tuple[int, re.Match[str], int] | None:
    """ "Pour in 600 ml of the stock" of a listed litre, and nobody pours the rest: (the step's number, where it is said, the line's index)."""
    listed = [ln for ln in lines if ln.carrier and ln.ml]
    if len(listed) != 1 or listed[0].section.startswith("step "):
        return None
    said = [p.text[:4000] for p in laid.steps]
    if any(THE_REST.search(t) or _AND_MORE.search(t) for t in said):
        return None
    poured = [(n, m) for n, t in enumerate(said, 1) for m in _SOME_OF_IT.finditer(t)]
    if len(poured) != 1:
        return None
    n, m = poured[0]
    whole = listed[0].ml or 0.0
    ml = parse(m.string, m.start("a"), m.end("a"), measures).ml or 0.0
    # "200 ml of the stock" is too little for the grain, and what it goes to is another thing
    enough = max(LEAST_OF_IT * whole, 0.8 * mine_ml) <= ml < (1 - SAME_SUM) * whole
    a, b = next(((a, b) for a, b in sentences(m.string) if a <= m.start() < b), (0, len(m.string)))
    # what it is soaked in, or what is poured over the mushrooms
    elsewhere = _SOAKED_IN.search(m.string, a, b) or (
        _OF_A_THING.search(m.string, a, b) and not find_grains(m.string[a:b])
    )
    same = m["of"].lower() == "liquid" or ingredients.kind_of(m["of"])[0] == ingredients.kind_of(listed[0].name)[0]
    poured_in = enough and same and not elsewhere and _ADDS.search(m.string, 0, m.start())
    return (n, m, listed[0].index) if poured_in else None


def _listed(lines: Sequence[Line], ml: float) -> Line | None:
    """The list's own line of so much liquid, where it has one."""
    listed = (ln for ln in lines if ln.carrier and ln.ml and not ln.section.startswith("step "))
    return next((ln for ln in listed if abs((ln.ml or 0.0) - ml) <= SAME_SUM * ml), None)


def _share(
    lines: Sequence[Line], laid: Structure, n: int, handle: re.Pattern[str] | None, mine: str | None
) -> re.Match[str] | None:
    """ "Bring 4 cups of the stock to a boil, stir in the rice" in step n, and "the other 4 cups stock" where the rice is not: the grain's share of the list's."""
    text = laid.steps[n - 1].text[:4000]
    if handle is None or not handle.search(text):
        return None

    def another_grains(told: str) -> bool:
        """Another pot, in which another grain goes?"""
        said = [f for f in find_grains(told) if not f.generic or " " in f.text]
        return bool(
            _ANOTHER_POT.search(told) and any(f.slug != mine for f in said) and all(f.slug != mine for f in said)
        )

    elsewhere = [p.text for k, p in enumerate(laid.steps, 1) if k != n and not handle.search(p.text)]
    told = [p.text[a:b] for p in laid.steps for a, b in sentences(p.text[:4000])]
    elsewhere += [t for t in told if another_grains(t)]
    if not any(_OTHER.search(t) for t in elsewhere):
        return None
    m = _OF_IT.search(text)
    if m and any(a <= m.start() < b and another_grains(text[a:b]) for a, b in sentences(text)):
        return None
    listed = [ln for ln in lines if ln.carrier and ln.ml and not ln.section.startswith("step ")]
    return m if m and len(listed) == 1 else None


def _poured_in(ln: Line, text: str) -> bool:
    p = ingredients.handle(ln)
    return bool(p and p.search(text))


def _with_water(ln: Line, measures: Measures) -> Line:
    """A line that says what it is made up to is that much: its own, and water for the rest."""
    m = None if ln.section.startswith("step ") or ln.grain else TO_MAKE.search(ln.text)
    item = parse(ln.text, m.start("a"), m.end("a"), measures) if m else None
    own = ln.ml or 0.0
    # "juice of a lemon and water, made up to 600 ml": no amount of its own, and nearly all water
    if (
        m is None
        or item is None
        or not item.ml
        or item.ml < own
        or (own and not ln.fraction and not _ITS_WATER.search(ln.text, 0, m.start("a")))
    ):
        return ln
    water = item.ml if not own or not ln.fraction else ln.water + item.ml - own
    return ln.with_(
        quantity=item.value,
        quantity_range=None,
        unit=item.unit,
        amount_span=Span(m.start("a"), m.end("a")),
        ml=item.ml,
        g=item.ml,
        water=water,
        fraction=water / item.ml,
        carrier=True,
        kind=ln.kind or "water",
        role="pot_liquid",
    )


def made_up(
    lines: list[Line], laid: Structure, source: int | None, measures: Measures
) -> tuple[list[Line], MadeUp | None]:
    """ "Fill the liquid of the peas up with water to make 3½ cups": that is what the pot gets. The sum stands as a line of its own, in the step that says it."""
    if source is None or lines[source].cooked or not lines[source].g:
        return lines, None
    mine = lines[source]
    lines = [_with_water(ln, measures) for ln in lines]
    for n, piece in enumerate(laid.steps, 1):
        for m in _MADE_UP.finditer(piece.text[:4000]):
            a = next((x for x in AMOUNT.finditer(piece.text, m.end(), m.end() + 60) if x["u"]), None)
            if a is None or re.search(r"[.;!?]", piece.text[m.end() : a.start()].strip()):
                continue
            *_, before, begun = ["", *re.split(r"(?<=[.!?])\s", piece.text[: m.start()])]
            sentence = begun + re.split(r"[.!?](?!\d)", piece.text[m.start() :])[0]
            if not before.strip() and not begun.strip() and n > 1:
                # "… Strain." ends the step before
                before = re.split(r"(?<=[.!?])\s", laid.steps[n - 2].text.rstrip())[-1]
            if m[0][:6].lower() == "strain" or _STRAINED.search(before) and _SO_MUCH.match(piece.text, m.start()):
                # "… strain. You want 1.1 l; keep it hot.", "Strain. 3 cups."
                sentence = f"{before} {sentence} broth"
            item = parse(piece.text, a.start(), a.end(), measures)
            if (
                not item.ml
                or not _BROTH.search(sentence)
                or not 0.8 * (mine.ml or 0) <= item.ml <= MOST_PER_GRAIN * (mine.ml or 0)
            ):
                continue
            kind = ingredients.kind_of(
                "stock" if re.search(r"\b(?:stock|broth|yakhni)\b", sentence, re.I) else "water"
            )[0]
            if kind is None:
                continue
            if _listed(lines, item.ml):
                # "keep the soup, you'll need 7 cups": the list has it as a line of its own
                return lines, None
            at = piece.span.start
            total = ingredients.liquid(
                len(lines),
                piece.text[m.start() : a.end("u")],
                at + m.start(),
                f"step {n}",
                SUMS[0],
                kind,
                item.ml,
                Span(a.start() - m.start(), a.end("u") - m.start()),
                item.value,
                item.unit,
            )
            there = next(
                (ln for ln in lines if ln.span.start < total.span.end and total.span.start < ln.span.end), None
            )
            index = len(lines) if there is None else there.index
            parts = frozenset(
                ln.index
                for ln in lines
                if ln.fraction
                and ln.index != index
                and (
                    ln.carrier
                    or ((p := ingredients.handle(ln)) and p.search(sentence))
                    or (ln.unit == "tin" and re.search(r"\b(?:tins?|cans?)\b", sentence, re.I))
                )
            )
            if there is None:
                return [*lines, total], MadeUp(index, parts)
            return lines, MadeUp(index, parts) if there.fraction else None
    return lines, None
