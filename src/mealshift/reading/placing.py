"""What each thing does in the pot: the tagger's labels, mended by the sum, the section, the minutes beside it and the cook's word."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..grains import grain
from ..measures import NUMBER_PATTERN, number_range
from ..quick import lazy, quick
from ..recipe import Correction, Line
from ..text.sentences import sentences as sentences_of
from . import ingredients, pours, roles
from .clauses import THINGS, Clause
from .dish import ALL_OF_IT, shaped
from .method import poured_off
from .names import as_rice, find_grains
from .pot_words import CLASS
from .structure import Structure
from .told_minutes import HEADED, Timed
from .words import word_list

# role labels of the tagger → roles of the recipe
_ROLE = {
    "grain": "absorber",
    "liquid": "pot_liquid",
    "wet": "watery",
    "absorber": "absorber",
    "late": "timed",
    "fat": "fat",
    "salt": "salt",
    "spice": "beside",
    "whole_spice": "beside",
    "other_pot": "beside",
    "after": "after",
    "other": "beside",
}


# of the grain's volume, what is water enough for it
OWN_WATER = 1.0
# over the grain's volume, more water than any soup or gruel is made with
ABSURD = 40.0


_FIRST_SO_MANY = lazy(rf"\b(?:first|top) (?P<n>{NUMBER_PATTERN}) (?:ingredients|things|items)\b", re.I)


def first_so_many(text: str) -> int:
    """ "Combine first 6 ingredients": so many lines of the list are meant; 0 where none are."""
    m = _FIRST_SO_MANY.search(text)
    return int(number_range(m["n"])[0]) if m else 0


_BOTH_GRAINS = lazy(r"\b(?:both|all|the two|the three) (?:of )?(?:the |your )?(?:rices|grains|kinds of rice)\b", re.I)


def named(found: Sequence[Clause], lines: Sequence[Line], laid: Structure) -> list[re.Pattern[str] | None]:
    """Tells each clause which lines it names; the words by which the steps speak of each line."""
    words = ingredients.handles(lines, "\n".join(p.text for p in laid.steps))
    # "thyme" and "dried thyme" go by one word
    alike = list({id(w): w for w in words if w}.values())
    for c in found:
        spoken = {id(w) for w in alike if w.search(c.text)}
        first = first_so_many(c.text)
        both = _BOTH_GRAINS.search(c.text) is not None
        c.lines = tuple(i for i, w in enumerate(words) if id(w) in spoken or i < first or (both and lines[i].grain))
    kinds = {ln.grain for ln in lines if ln.grain}
    for c in found if len(kinds) > 1 else ():
        told = find_grains(c.text)
        if (only := {f.slug for f in told} & kinds) and not any(f.generic for f in told):
            # "add the wild rice" says nothing of the other rice
            c.lines = tuple(i for i in c.lines if lines[i].grain in {None, *only})
    return words


def sorts(lines: Sequence[Line], source: int | None) -> list[str]:
    """What each line is before anything is known of its use: G the grain, g another grain, w water or stock, l another liquid, p a pulse or what else drinks,
    f fat, s salt, x what is none of these."""
    out = []
    for ln in lines:
        if ln.index == source:
            out.append("G")
        elif ln.grain:
            out.append("g")
        elif ln.carrier or ln.fraction:
            out.append("w" if ln.carrier else "l")
        elif ln.drinks:
            out.append("p")
        else:
            out.append({"fat": "f", "salt": "s"}.get(ln.role, "x"))
    return out


def things(
    lines: Sequence[Line], source: int | None, found: Sequence[Clause], timed: Sequence[Timed]
) -> list[roles.Thing]:
    """The lines as the tagger of roles sees them; found: clauses that know which lines they name."""
    home = lines[source].section if source is not None else ""
    volume = lines[source].ml if source is not None else None
    last = max(((t.block, t.stretch.end) for t in timed if t.kind == "heat"), default=None)
    out = []
    uses: dict[int, list[tuple[Clause, bool]]] = {}
    for c in found:
        for i in c.lines:
            uses.setdefault(i, []).append((c, last is not None and (c.block, c.start) >= last))
    for i, ln in enumerate(lines):
        ratio = ln.ml / volume if ln.ml and volume and not ln.grain else None
        out.append(
            roles.Thing(
                ln.text,
                ln.name,
                ln.unit,
                ln.section,
                bool(ln.grain),
                ln.cooked,
                ratio,
                ln.section.startswith("step"),
                tuple(uses.get(i, [])[:2]),
                ln.section == home,
            )
        )
    return out


def _when_done(first: Clause, found: Sequence[Clause], timed: Sequence[Timed]) -> bool:
    """Has the grain had all its heat, and been let down, spread out or drained, before that clause?"""
    heats = [(t.block, t.stretch.start) for t in timed if t.kind in ("heat", "whistles")]
    if not heats or max(heats) > (first.block, first.start):
        return False
    between = [c for c in found if max(heats) <= (c.block, c.start) < (first.block, first.start)]
    return any(c.verb in ("release", "cool", "fluff", "drain", "rest", "off") for c in between)


_RAW_TOMATO = lazy(r"\b(?:cherry|grape|plum cherry) tom", re.I)


def _mixed_in_later(ln: Line, found: Sequence[Clause], timed: Sequence[Timed]) -> bool:
    """No step names it: does it join with everything else when the grain is done, or is it a tomato nobody cooks?"""
    together = [c for c in found if ALL_OF_IT.search(c.text)]
    if not together:
        return bool(_RAW_TOMATO.search(ln.text))
    down = next(((c.block, c.start) for c in found if c.verb in ("off", "rest", "release") and c.before.grain), None)
    heats = [(t.block, t.stretch.start) for t in timed if t.kind in ("heat", "whistles")]
    return down is not None and all(down < (c.block, c.start) for c in together) and all(h < down for h in heats)


BOWL_ABOVE = lazy(
    r"\bpot[- ]in[- ]pot\b|\bPIP\b|\bbowl\b[^.;!?]{0,30}\bon (?:the|a) trivet\b|\btrivet\b[^.;!?]{0,60}\b(?:bowl|tin|vessel)\b",
    re.I,
)


def _under_the_bowl(lines: Sequence[Line], source: int | None, laid: Structure) -> set[int]:
    """Lentils at the bottom of the cooker, the rice in a bowl above: what a part of its own lists is not in the bowl."""
    told = "\n".join([laid.title.text if laid.title else "", *(p.text for p in laid.steps)])
    if source is None or not BOWL_ABOVE.search(told):
        return set()
    return {
        ln.index
        for ln in lines
        if ln.section and ln.section != lines[source].section and not ln.section.startswith("step ")
    }


def with_roles(
    lines: list[Line],
    source: int | None,
    found: list[Clause],
    timed: list[Timed],
    corrections: tuple[Correction, ...],
    total: pours.MadeUp | None,
    told_dish: str,
    theirs: frozenset[int],
    laid: Structure,
) -> tuple[list[Line], list[tuple[str, float]]]:
    """theirs: lines that only another grain's pot is told to hold."""
    seen = things(lines, source, found, timed)
    tagged, chances = roles.tag(seen)
    cooks = max(((c.block, c.start) for c in found if c.verb == "cook"), default=(-1, 0))
    # sentences in which the grain comes to the boil or cooks
    heated = {c.sentence for c in found if c.verb in ("boil", "cook") and c.grains and "grain" in c.things}
    for i, (ln, thing) in enumerate(zip(lines, seen, strict=True)):
        first = thing.uses[0][0] if thing.uses else None
        if tagged[i][0] == "wet" and ln.kind == "tomato" and first and _when_done(first, found, timed):
            # pressed, and then tossed in a pan with its tomatoes: it drinks nothing of them
            tagged[i], chances[i] = ("after", 0.7), 0.0
        elif tagged[i][0] == "after" and ln.kind == "tomato" and first and (first.block, first.start) < cooks:
            # poured around what is still to bake it is cooked with it: it joins nothing afterwards
            tagged[i], chances[i] = ("wet", 0.6), 0.6
        elif tagged[i][0] == "wet" and not thing.uses and not ln.carrier and _mixed_in_later(ln, found, timed):
            # "… remove from heat. Mix everything in a casserole": the tin of soup was in no pot before
            tagged[i], chances[i] = ("after", 0.7), 0.0
        elif ln.unit == "ladle" and thing.inline and any(x.carrier and (x.ml or 0.0) > (ln.ml or 0.0) for x in lines):
            # "a ladle of the broth into the eggs" comes out of the pot, or is a part of what is poured
            tagged[i], chances[i] = ("other", 0.8), 0.0
        elif tagged[i][0] == "after" and first and first.sentence in heated and not thing.uses[0][1]:
            # what comes to the boil with the grain joins nothing when that is done
            tagged[i], chances[i] = ("other", 0.6), 0.0
    for i in _thrown_away(lines, found) | _under_the_bowl(lines, source, laid):
        tagged[i], chances[i] = ("other_pot", 0.8), 0.0
    for i in _the_rest_of(lines, found):
        # a ladle of it was for the peas, the rest is the grain's
        if tagged[i][0] != "liquid":
            tagged[i], chances[i] = ("liquid", 0.75), 1.0
    poured: dict[tuple[int, int], set[int]] = {}
    for c in found:
        if c.verb == "add" and c.grains:
            poured.setdefault((c.block, c.sentence), set()).update(
                i for i in c.lines if lines[i].fraction and lines[i].ml
            )
    for wet in poured.values():
        # "add broth and beer": liquids poured in one breath go into one pot
        most = max((lines[i].ml or 0.0 for i in wet), default=0.0)
        if len(wet) > 1 and any(tagged[i][0] == "liquid" for i in wet):
            for i in wet:
                # a little of it may be for the pan
                if tagged[i][0] in ("other_pot", "other") and lines[i].carrier and 2 * (lines[i].ml or 0.0) >= most:
                    tagged[i], chances[i] = ("liquid", 0.6), 0.6
    grain_ml = lines[source].ml if source is not None else None
    for i, ln in enumerate(lines):
        if grain_ml and ln.carrier and (ln.ml or 0.0) > ABSURD * grain_ml:
            # no pot holds so much: it is a temperature, a year, or another pot's
            tagged[i], chances[i] = ("other_pot", 0.5), 0.0
    if total is not None:
        # what the sum is made of is poured with it, not a second time
        for i in total.parts:
            tagged[i], chances[i] = ("other", 0.8), 0.0
        tagged[total.line], chances[total.line] = ("liquid", 0.8), 1.0
        for i in _drunk_before(lines, seen, found, lines[total.line].span.start, laid):
            tagged[i], chances[i] = ("other_pot", 0.7), 0.0
    apart = (
        _of_another_part(lines, source)
        | _told_without_the_grain(lines, source, laid)
        | _by_the_packet(lines, source, found, laid)
        | _gives_the_stock(lines, source)
    )
    for i in apart:
        chances[i] = 0.0
    for i, mine in pours.choose(lines, source, tagged, chances, told_dish).items():
        # decided by the sum, not by the words: it is asked
        tagged[i] = ("liquid" if mine else "other_pot", 0.5)
    for i in _kept_of(lines, laid):
        tagged[i], chances[i] = ("other_pot", 0.8), 0.0
    drained = _water_of_others(lines, found)
    if not poured_off(found):
        # the water that becomes the stock told of later, or in the list
        made = sum(ln.ml or 0.0 for i, ln in enumerate(lines) if ln.kind == "stock" and i not in drained)
        if grain_ml is None or made < OWN_WATER * grain_ml:
            drained = frozenset()
        drained = frozenset(i for i in drained if lines[i].kind == "water" and lines[i].section.startswith("step "))
    for i in (
        theirs
        | apart
        | drained
        | _of_its_own_dish(lines, source, laid)
        | _beside_its_own(lines, source, found, laid)
        | _in_another_pot(lines, laid)
        | _in_its_own_pan(lines, source, laid)
        | _headed_apart(lines, source, laid)
    ):
        tagged[i], chances[i] = ("other_pot", 0.8), 0.0
    for i in _sets_with_eggs(lines, found):
        tagged[i], chances[i] = ("after", 0.8), 0.0
    parts = {c.line.strip().rstrip(":"): c.role for c in corrections if c.role}
    home, volume = (lines[source].section, lines[source].ml) if source is not None else ("", None)
    late = _late(lines, found, timed)
    sauced = _poured_over_shaped(laid)
    out = [
        _role(ln, _placed(ln, label, home, late, _head(ln, laid), sauced), source, parts.get(ln.section), volume)
        for ln, (label, _) in zip(lines, tagged, strict=True)
    ]
    if source is not None:
        out[source] = out[source].with_(role="source_grain")
    return out, tagged


# "2¼ cups of the poaching stock", "500 ml of the fish water", "reserved poaching liquid"
_OUT_OF_ANOTHER = lazy(
    r"\b(?:of|from) (?:the|that|your) (?:[^\W\d]+ )?(?:stock|broth|liquid|liquor|water)\b|\b(?:poaching|reserved|strained) (?:[^\W\d]+ )?(?:stock|broth|liquid|liquor|water)\b",
    re.I,
)


def _gives_the_stock(lines: Sequence[Line], source: int | None) -> frozenset[int]:
    """Water that something was poached in, where the grain gets a measured part of it: "2 litres water … 2¼ cups of the poaching stock"."""
    grain_ml = None if source is None else lines[source].ml
    wet = [ln for ln in lines if ln.carrier and ln.ml]
    taken = [ln for ln in wet if _OUT_OF_ANOTHER.search(ln.text)]
    poured = sum(ln.ml or 0.0 for ln in taken)
    if not grain_ml or poured < OWN_WATER * grain_ml:
        return frozenset()
    return frozenset(ln.index for ln in wet if ln.kind == "water" and ln not in taken and (ln.ml or 0.0) > poured)


def _drunk_before(
    lines: Sequence[Line], seen: Sequence[roles.Thing], found: Sequence[Clause], poured_at: int, laid: Structure
) -> list[int]:
    """ "Simmer the peas 1½ hours; 2 cups of liquid should remain. Add the rice": they have drunk theirs before that was measured."""
    out = []
    for i, (ln, thing) in enumerate(zip(lines, seen, strict=True)):
        first = thing.uses[0][0] if thing.uses and ln.drinks and not ln.grain else None
        if first is None or laid.steps[first.block].span.start + first.start >= poured_at:
            continue
        if any(c.verb in ("cook", "boil") and c.start >= first.start for c in found if c.block == first.block):
            out.append(i)
    return out


_THROWN = lazy(
    r"\b(?:discard|throw (?:away|out)|chuck(?: out)?|tip away|pour away|get rid of)\w*\b[^.;!?,]{0,24}\b(?P<of>milk|stock|broth|wine|juice)\b",
    re.I,
)


_EGGS = quick(r"\b(?:eggs?|yolks?)\b", re.I)
_BEATEN = quick(r"\b(?:beat|whisk|mix|stir|blend)\w*\b", re.I)


def _sets_with_eggs(lines: Sequence[Line], found: Sequence[Clause]) -> frozenset[int]:
    """ "Boil the rice 12 minutes, drain. Beat the eggs, add the milk, pour over, bake": a custard's milk sets, and no grain drinks it."""
    off = next(
        (k for k, c in enumerate(found) if "drain" in c.verbs and any("grain" in x.things for x in found[: k + 1])),
        None,
    )
    if off is None or not any(
        c.verb in ("boil", "cook") and ("grain" in c.things or c.carried == "grain") for c in found[: off + 1]
    ):
        return frozenset()
    told: dict[int, str] = {}
    for c in found[off:]:
        told[c.sentence] = told.get(c.sentence, "") + c.text
    custard = {s for s, text in told.items() if _EGGS.search(text) and _BEATEN.search(text)}
    return frozenset(
        i
        for c in found[off:]
        if c.sentence in custard
        for i in c.lines
        if lines[i].fraction and ("milk" in lines[i].kind or "cream" in lines[i].kind)
    )


def _thrown_away(lines: Sequence[Line], found: Sequence[Clause]) -> frozenset[int]:
    """ "Poach the fish in the milk … lift it out, discard the milk": that milk is no grain's."""
    out = set()
    for c in found:
        m = _THROWN.search(c.text)
        if m:
            out |= {i for i in c.lines if lines[i].fraction and m["of"].lower() in lines[i].name.lower()}
    return frozenset(out)


def _the_rest_of(lines: Sequence[Line], found: Sequence[Clause]) -> frozenset[int]:
    """ "Simmer the pods in the stock, strain … add the remaining stock … pour in the rice": the one stock of the list is what the grain drinks, whatever was
    steeped in it before."""
    out = set()
    for c in found:
        m = pours.THE_REST.search(c.text) if c.grains else None
        if m is None:
            continue
        word = "stock" if m["of"].lower() in ("broth", "bouillon") else m["of"].lower()
        listed = [ln for ln in lines if ln.kind == word and ln.ml and not ln.section.startswith("step ")]
        if len(listed) == 1 and listed[0].carrier:
            out.add(listed[0].index)
    return frozenset(out)


_OF_THE_KEPT = lazy(
    r"\bof (?:the|that|this|your) (?:\w+ )?(?:broth|stock|yakhni|liquid|liquor|cooking water|boiling water)\b", re.I
)
_KEEPS = lazy(r"\b(?:keep|kept|reserv\w*|sav(?:e|ing)|strain\w*)\b", re.I)


def _kept_of(lines: Sequence[Line], laid: Structure) -> frozenset[int]:
    """ "Strain, keep the broth (about 900 ml)", and later "pour over 300 ml of the broth": the nine hundred stand ready, the three go in."""
    told = [ln for ln in lines if ln.carrier and ln.ml and ln.section.startswith("step ")]

    def sentence(ln: Line) -> str:
        step = laid.steps[int(ln.section.removeprefix("step ")) - 1]
        at = ln.span.start - step.span.start
        return next((step.text[a:b] for a, b in sentences_of(step.text) if a <= at < b), "")

    out = set()
    for ln in told:
        if not _OF_THE_KEPT.search(ln.text):
            continue
        before = [x for x in told if x.span.start < ln.span.start and x.section != ln.section]
        kept = next((x for x in reversed(before) if _KEEPS.search(sentence(x))), None)
        if kept is not None and (kept.ml or 0.0) > (ln.ml or 0.0):
            out.add(kept.index)
    return frozenset(out)


_PACKET = quick(
    r"\b(?:cook|boil|prepare|make)\w*\b[^.;!?]{0,30}\brice\b[^.;!?]{0,20}\b(?:according to|as per|following|per|by|as (?:directed|instructed) on)\b[^.;!?]{0,16}\b(?:packet|pack|package|packaging|box|bag|instructions|directions)\b",
    re.I,
)


def _by_the_packet(
    lines: Sequence[Line], source: int | None, found: Sequence[Clause], laid: Structure
) -> frozenset[int]:
    """ "Cook the rice according to the packet": it has the packet's water, and the stock that the steps pour elsewhere is the beef's."""
    told = next((n for n, p in enumerate(laid.steps) if _PACKET.search(as_rice(p.text))), None)
    if told is None or source is None or lines[source].cooked:
        return frozenset()
    here = {c.sentence for c in found if c.block == told and "grain" in c.things}
    return frozenset(
        i
        for i, ln in enumerate(lines)
        if ln.fraction and i != source and not any(i in c.lines for c in found if c.sentence in here)
    )


def _of_another_part(lines: Sequence[Line], source: int | None) -> frozenset[int]:
    """ "BEANS: 1 lb …, 8 c. water" and "RICE: 2 c. …, 3 c. water": the liquids of the other, where the grain has its own beside it."""
    if source is None:
        return frozenset()
    home = lines[source].section
    own = home.startswith("step ") or bool(find_grains(home))
    if not own or not any(ln.section == home and ln.carrier and ln.ml for ln in lines):
        return frozenset()
    return frozenset(
        ln.index for ln in lines if ln.fraction and ln.section != home and _OTHER_PART.fullmatch(ln.section.strip())
    )


def _told_without_the_grain(lines: Sequence[Line], source: int | None, laid: Structure) -> frozenset[int]:
    """ "Beans and 6 cups water in the slow cooker. / Bring 4 cups water to a boil, stir in the rice", and the four stand with the rice in the list: the six are none of the rice's."""
    mine = None if source is None else lines[source]
    if mine is None or not find_grains(mine.section):
        return frozenset()
    texts = [p.text.lower() for p in laid.steps]

    def told(ln: Line) -> set[int]:
        return {n for n, t in enumerate(texts) if ln.text.lower() in t}

    own = [ln for ln in lines if ln.section == mine.section and ln.carrier and ln.ml]
    homes = {n for ln in own for n in told(ln)}
    grainy = {n for n, t in enumerate(texts) if find_grains(t)}
    return frozenset(
        ln.index
        for ln in lines
        if homes & grainy
        and ln.kind in {x.kind for x in own}
        and ln.section != mine.section
        and (there := told(ln))
        and not there & (homes | grainy)
    )


_OTHER_PART = quick(
    rf"(?:for )?(?:the )?(?:[^\W\d_]+ )?(?:{'|'.join(THINGS[k] for k in ('meat', 'pulse', 'veg'))}):?", re.I
)


def pots_of_others(lines: Sequence[Line], mine: Line | None, found: Sequence[Clause]) -> frozenset[int]:
    """Vessels in which another of the recipe's raw grains cooks, and not the one to be shifted."""
    raw = {ln.grain for ln in lines if ln.grain and not ln.cooked}
    if mine is None or len(raw) < 2 or mine.grain not in raw:
        return frozenset()
    holds: dict[int, set[str]] = {}
    for c in found:
        holds.setdefault(c.vessel, set()).update(_said_by_name(c))
    mine_in = {v for v, slugs in holds.items() if mine.grain in slugs}
    return (
        frozenset(v for v, slugs in holds.items() if slugs & (raw - {mine.grain})) - mine_in if mine_in else frozenset()
    )


def _said_by_name(c: Clause) -> set[str]:
    """The grains a clause names; "white rice" is one beside wild rice, and "rice" may be any."""
    return {f.slug for f in find_grains(c.text) if not f.generic or " " in f.text}


def told_in(vessels: frozenset[int], lines: Sequence[Line], found: Sequence[Clause], laid: Structure) -> frozenset[int]:
    """Lines that stand in the steps alone, in clauses of these vessels, and the grains named in them."""
    if not vessels:
        return frozenset()
    out = set()
    for i, ln in enumerate(lines):
        if ln.section.startswith("step "):
            n = int(ln.section.removeprefix("step ")) - 1
            at = ln.span.start - laid.steps[n].span.start
            mine = next((c for c in found if c.block == n and c.start <= at < c.end), None)
        elif ln.grain:
            mine = next((c for c in found if ln.grain in _said_by_name(c)), None)
        else:
            mine = next((c for c in found if i in c.lines), None) if ln.fraction else None
        if mine is not None and mine.vessel in vessels:
            out.add(ln.index)
    return frozenset(out)


_SAUCE = lazy(r"\b(?:sauce|gravy|broth)\b", re.I)
_JOINS = lazy(r"\b(?:dressing|syrup|gravy|vinaigrette)\b", re.I)
_BESIDE = quick(r"\b(?:relish|salad|raita|sauce|topping|toppings|side|sides|garnish|marinade|chutney|salsa)\b", re.I)


def _head(line: Line, laid: Structure) -> str:
    """What heads the step in which alone a line is told ("SAUCE: 3 Tbsp gochujang, 1 Tbsp water"); "Measure the sauce:" does not."""
    if not line.section.startswith("step "):
        return ""
    m = HEADED.match(laid.steps[int(line.section.removeprefix("step ")) - 1].text)
    return m["l"] if m and not {"the", "it", "your", *word_list("verbs")} & set(m["l"].lower().split()) else ""


def _headed_apart(lines: Sequence[Line], source: int | None, laid: Structure) -> frozenset[int]:
    """ "STICKY RICE: 300 g … / LARB: 400 g pork mince, 60 ml water": two dishes told in a step each, under a word of its own."""
    mine = None if source is None else lines[source]
    home = _head(mine, laid) if mine is not None else ""
    if mine is None or not find_grains(home):
        return frozenset()
    heads = {ln.index: _head(ln, laid) for ln in lines if ln.carrier}
    return frozenset(i for i, head in heads.items() if head and head != home and not find_grains(head))


_THE_GRAINS_OWN = lazy(r"\W*(?:(?:for|cook|make|boil|prepare) )?(?:the )?(?:\w+ )?rice\s*(?:[:–—]|-\s)", re.I)


def _in_its_own_sentence(lines: Sequence[Line], mine: Line, laid: Structure) -> frozenset[int]:
    """The liquids that a sentence "Cook rice: 600 ml water …" names, where they are enough for it; else none."""
    for n, p in enumerate(laid.steps):
        for a, b in sentences_of(p.text):
            if not _THE_GRAINS_OWN.match(p.text, a, b):
                continue
            here = [
                ln
                for ln in lines
                if ln.carrier and ln.ml and ln.section == f"step {n + 1}" and a <= ln.span.start - p.span.start < b
            ]
            if sum(ln.ml or 0.0 for ln in here) >= OWN_WATER * (mine.ml or 0.0):
                return frozenset(ln.index for ln in here)
    return frozenset()


def _beside_its_own(
    lines: Sequence[Line], source: int | None, found: Sequence[Clause], laid: Structure
) -> frozenset[int]:
    """ "1½ cups rice, 2 cups water" in one line: that is its water, and the cup poured over the meat elsewhere is none of it."""
    if source is None or not lines[source].ml:
        return frozenset()
    mine = lines[source]
    if here := _in_its_own_sentence(lines, mine, laid):
        # "Rice: 2 c long grain, 3 c water - boil, cover, low 15 min": the roux's stock and the stew's tins stay in theirs
        return frozenset(ln.index for ln in lines if ln.fraction and ln.index not in here)
    if mine.section.startswith("step "):
        return frozenset()

    def same_line(ln: Line) -> bool:
        a, b = sorted((ln.span, mine.span), key=lambda x: x.start)
        return "\n" not in laid.plain[a.start : b.end]

    others = [ln for ln in lines if ln.carrier and ln.ml]
    own = [ln for ln in others if same_line(ln)]
    if sum(ln.ml or 0.0 for ln in own) < OWN_WATER * (mine.ml or 0.0):
        return frozenset()
    first = {ln.index: _told_first(ln, found) for ln in others if ln not in own}
    told = {i: {k for x in found if x.sentence == c.sentence for k in x.things} for i, c in first.items() if c}
    return frozenset(
        i for i, things in told.items() if "grain" not in things and things & {"meat", "veg", "pulse", "sauce"}
    )


_APART = quick(
    r"\bseparately\b|\b(?:in|into|using|with) (?:another|an?(?: small| large)? separate|a second|a different|the other|its own|their own) (?:\w+ )?(?:sauce)?(?:pan|pot|kettle|cooker)\b",
    re.I,
)
_COOKED_APART = quick(
    rf"\b(?:cook|boil|simmer|blanch|poach|steam|stew)\w*\s+(?:up )?(?:the |your |those )?(?:\w+ )?(?:{'|'.join(THINGS[k] for k in ('meat', 'pulse', 'veg'))})\b",
    re.I,
)
_WITH_THEIR_WATER = lazy(
    r"\b(?:with|in|and) (?:all )?(?:their|its|the) (?:own |cooking |bean |lentil )?(?:liquid|liquor|water|broth|stock)\b",
    re.I,
)


def _in_another_pot(lines: Sequence[Line], laid: Structure) -> frozenset[int]:
    """ "In another pan cook the lentils in 3 cups of water": a liquid that only such a sentence tells of is the lentils'."""
    out = set()
    for ln in lines:
        if not ln.section.startswith("step ") or not ln.carrier:
            continue
        step = laid.steps[int(ln.section.removeprefix("step ")) - 1]
        at = ln.span.start - step.span.start
        a, b = next(((a, b) for a, b in sentences_of(step.text) if a <= at < b), (0, len(step.text)))
        said = step.text[a:b]
        if (
            _APART.search(said)
            and _COOKED_APART.search(said)
            and not CLASS["GRAIN"].search(said)
            and not any(_WITH_THEIR_WATER.search(p.text) for p in laid.steps)
        ):
            out.add(ln.index)
            # and they drink it there
            out |= {
                x.index
                for x in lines
                if not (x.grain or x.fraction) and (named := ingredients.handle(x)) and named.search(said)
            }
    return frozenset(out)


_BEGUN_IN_A_PAN = quick(
    r"\b(?:heat|warm|melt)\b[^.;!?]{0,40}\b(?:oil|butter|ghee)\b[^.;!?]{0,24}\bin (?:an?|another) (?:[^\W\d_-]+[- ]){0,3}?(?:pan|skillet|wok|saucepan|frypan)\b",
    re.I,
)


def _in_its_own_pan(lines: Sequence[Line], source: int | None, laid: Structure) -> frozenset[int]:
    """ "Rice and ¾ cup water in a small pot … Heat oil in a large pan, brown the beef, stir in the dressing and ¼ cup water": where a step has given the grain its
    water, what another step pours that begins in a pan and has no word of the grain is that pan's."""
    volume = lines[source].ml if source is not None else None
    told = [ln for ln in lines if ln.section.startswith("step ") and ln.carrier and ln.ml]
    if not volume or len(told) < 2:
        return frozenset()
    grainy = {n for n, p in enumerate(laid.steps, 1) if CLASS["GRAIN"].search(p.text)}
    mine = [ln for ln in told if int(ln.section.removeprefix("step ")) in grainy]
    if sum(ln.ml or 0.0 for ln in mine) < OWN_WATER * volume:
        return frozenset()
    out = set()
    for ln in told:
        n = int(ln.section.removeprefix("step "))
        step = laid.steps[n - 1]
        begun = _BEGUN_IN_A_PAN.search(step.text, 0, ln.span.start - step.span.start)
        if n not in grainy and n > min(int(x.section.removeprefix("step ")) for x in mine) and begun:
            out.add(ln.index)
    return frozenset(out)


def _of_its_own_dish(lines: Sequence[Line], source: int | None, laid: Structure) -> frozenset[int]:
    """Two dishes in one text, each with a list and steps under its name, and the grain's with water of its own: the goulash's stock stays in the goulash."""
    home = lines[source].section if source is not None else ""
    told = {s: " ".join(p.text for p in laid.steps if p.section == s) for s in {p.section for p in laid.steps}}
    own = sum(ln.ml or 0.0 for ln in lines if ln.section == home and ln.carrier)
    if not home or home not in told or source is None or own < OWN_WATER * (lines[source].ml or 0.0):
        return frozenset()
    others = {s for s, text in told.items() if s and s != home and not CLASS["GRAIN"].search(f"{s} {text}")}
    return frozenset(i for i, ln in enumerate(lines) if ln.section in others and ln.fraction)


def _told_first(line: Line, found: Sequence[Clause]) -> Clause | None:
    """The first clause that speaks of a line; of one that only a step tells, in that step: another step's water has the same name."""
    at = line.section.removeprefix("step ") if line.section.startswith("step ") else ""
    return next((c for c in found if line.index in c.lines and (not at or c.block == int(at) - 1)), None)


def _water_of_others(lines: Sequence[Line], found: Sequence[Clause]) -> frozenset[int]:
    """What meat or beans were simmered in before the grain came: where the grain's own water is poured off, it is none of it."""
    enters = next((c.sentence for c in found if c.grains and c.before.grain), None)
    out = set()
    for i, ln in enumerate(lines):
        first = _told_first(ln, found) if ln.carrier and ln.name != pours.KEPT else None
        if first is not None and _KEEPS.search(first.text):
            # "reserve the liquid, you want 3 1/2 cups" is what the grain gets of it
            continue
        if first is None or enters is None or first.sentence >= enters:
            continue
        told = {k for c in found if c.block == first.block and c.sentence <= first.sentence for k in c.things}
        if told & {"meat", "pulse"} and "grain" not in told:
            out.add(i)
    return frozenset(out)


_KEEPS = lazy(r"\b(?:reserv|keep|kept|sav)\w*\b", re.I)
_POURED_OVER = quick(
    r"\b(?:pour|spoon|ladle|tip)(?:ed|s|ing)?\b[^.;!?]{0,40}\b(?:over|around|on top|on)\b|\b(?:drop|put|lay|place|slip|lower)\b[^.;!?]{0,40}\b(?:into|in) the (?:[a-z]+ )?(?:sauce|gravy|broth|soup)\b",
    re.I,
)


def _poured_over_shaped(laid: Structure) -> bool:
    """Is the grain raw in meatballs, over which the sauce is poured before they cook? What the sauce has of water is the grain's."""
    told = "\n".join(p.text for p in laid.steps)
    balls = shaped(told) or _ROLLED.search(told)
    over = _POURED_OVER.search(told, balls.end()) if balls else None
    return bool(over and _COOKS_ON.search(told, over.end()))


# "put a spoonful of filling in each and roll up"
_ROLLED = lazy(r"\b(?:filling|fill|stuff)\w*\b[^;!?]{0,80}\broll(?:ed|ing)?(?: (?:it|them))? (?:up|tight)", re.I)
_COOKS_ON = lazy(r"\b(?:simmer|cook|bake|boil)\w*\b[^.;!?]{0,60}\d", re.I)


def _placed(line: Line, label: str, home: str, late: frozenset[int], head: str, sauced: bool = False) -> str:
    """The label, where the section or the minutes beside it say more than its words: a dressing joins, a topping's water is the topping's."""
    if head and _BESIDE.search(head) and label in ("liquid", "wet", "absorber") and not line.grain:
        return "other_pot"
    if (
        sauced
        and line.fraction
        and line.ml
        and _SAUCE.search(line.section)
        and label in ("liquid", "wet", "other_pot", "other")
    ):
        return "liquid" if line.carrier else "wet"
    if line.section and line.section != home and not line.section.startswith("step ") and not line.grain:
        if _JOINS.search(line.section):
            return "after"
        if _BESIDE.search(line.section) and label in ("liquid", "wet", "absorber"):
            return "other_pot"
    if (
        label in ("absorber", "other")
        and line.drinks
        and line.section != home
        and not line.section.startswith("step ")
        and find_grains(home)
    ):
        # "For the rice:" has its own part, and the beans stand in another
        return "other_pot"
    if line.index in late and label in ("other", "after", "absorber", "wet", "spice") and not line.drinks:
        return "late"
    return label


def _late(lines: Sequence[Line], found: Sequence[Clause], timed: Sequence[Timed]) -> frozenset[int]:
    """What goes in while the grain cooks: first named in a sentence of "the last 5 minutes" or "after 10 minutes"."""
    marked = {(t.block, t.stretch.start) for t in timed if t.kind in ("from_end", "from_start")}
    sentences = {c.sentence for c in found for block, at in marked if c.block == block and c.start <= at < c.end}
    out = set()
    for i, ln in enumerate(lines):
        first = next((c for c in found if i in c.lines), None)
        if first is not None and first.sentence in sentences and not first.before.off:
            out.add(ln.index)
    return frozenset(out)


_SOLID = quick(
    rf"\b(?:sugar|jaggery|salt|flour|cheese|spices?|powder|seeds?|nuts?|cashews?|almonds?|crumbs|herbs?|raisins|flakes|{'|'.join(THINGS[k] for k in ('meat', 'veg', 'pulse'))})\b",
    re.I,
)
_WET = quick(r"\b(?:juice|stock|broth|water|milk|liquor|liquid|soup|sauce|puree|purée|passata|gravy)\b", re.I)
# pulses and fruit by the spoon are a seasoning, but beside as few spoons of grain
A_SPICE_ML = 20.0
A_SPICE_SHARE = 0.15


# what has been through a knife is none: "1 cup pineapple, ¼-inch dice"
_CUT_UP = quick(
    r"\b(?:diced?|cubes|cubed|chunks|sliced|slices|chopped|grated|shredded|minced|halved|quartered|pieces|florets|peeled)\b",
    re.I,
)


def _role(line: Line, label: str, source: int | None, part: str | None, grain_ml: float | None) -> Line:
    """The line's role; grain_ml: the grain's volume; `part` is the cook's word on its whole section: beside, after, or (anything else) in the grain's pot."""
    if line.corrected or line.index == source:
        return line
    if part in ("beside", "after"):
        return line.with_(role=part, water=0.0, drinks=0.0)
    if part is not None and label in ("other_pot", "after"):
        of_kind = ingredients.kind_of(line.name or line.text)[0]
        label = "liquid" if of_kind is not None and of_kind.role == "pot_liquid" else "other"
    if line.grain:
        other = grain(line.grain)
        if line.cooked or not line.g or other.simmer == 0 or label not in ("grain", "absorber"):
            return line.with_(role="beside")
        low, high = other.texture_range()
        return line.with_(
            role="absorber", drinks=line.g * other.hydration_at(min(max(1.0, low), high)), minutes=other.simmer
        )
    if label == "late" and line.fraction >= 0.5 and (line.ml or 0.0) >= 60:
        # what goes in while the grain cooks is drunk like the rest
        label = "liquid"
    role = _ROLE[label]
    kind, _ = ingredients.kind_of(line.name or line.text)
    if role == "salt" and kind is not None and kind.role != "salt":
        # sultanas are no seasoning that follows the mass
        role = "absorber" if kind.role == "absorber" else "beside"
    if line.kind == "tomato" and label in ("wet", "liquid", "other", "late", "absorber"):
        return line.with_(role="pot_liquid")
    if role == "pot_liquid" and not line.fraction:
        # a liquid the table does not know is nearly all water
        solid = _SOLID.search(line.name) and not _WET.search(line.name)
        solid = solid or (_CUT_UP.search(line.text) and not _WET.search(line.text))
        size = None if solid else line.ml or line.g
        return (
            line.with_(role=role, fraction=0.9, ml=size, water=0.9 * size, carrier=False)
            if size
            else line.with_(role="beside")
        )
    spooned = line.unit in ("tsp", "tbsp") and (line.ml or 0.0) <= min(A_SPICE_ML, A_SPICE_SHARE * (grain_ml or 1e9))
    if kind is not None and kind.role == "absorber" and spooned:
        # "1 tsp urad dal" is fried with the mustard seeds
        return line.with_(role="beside", water=0.0, drinks=0.0)
    if role == "absorber":
        return line if line.drinks else line.with_(role="beside")
    if role == "watery":
        return (
            line.with_(role="pot_liquid")
            if line.fraction and kind is not None and kind.role == "pot_liquid"
            else line.with_(role="watery")
        )
    if kind is not None and kind.role in ("fat", "salt") and role in ("beside", "watery", "after"):
        return line.with_(role=kind.role)
    if kind is not None and kind.role == "absorber" and role == "beside" and label != "other_pot" and line.drinks:
        return line.with_(role="absorber")
    if role in ("beside", "after", "timed"):
        return line.with_(role=role, water=0.0 if role != "timed" else line.water)
    return line.with_(role=role)


def counted(
    lines: Sequence[Line], tagged: Sequence[tuple[str, float]], corrections: tuple[Correction, ...]
) -> tuple[str, ...]:
    """What is counted in and out: whole spices by the cook's word, by their own words, or by where they stand."""
    out = []
    told = {" ".join(c.line.split()): c.whole for c in corrections if c.whole is not None}
    for ln, (label, sure) in zip(lines, tagged, strict=True):
        said = told.get(" ".join(ln.text.split()))
        if said is not None:
            out += [ingredients.in_our_words(ln.text)] if said else []
            continue
        words = bool(ingredients.count_out([ln.text])) and not (label in ("spice", "other", "liquid") and sure > 0.9)
        if words or (label == "whole_spice" and sure > 0.5 and not ingredients.never_counted(ln.text)):
            out.append(ingredients.in_our_words(ln.text))
    return tuple(dict.fromkeys(out))
