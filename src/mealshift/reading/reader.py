"""Text → Recipe, in stages that can each be measured.

    plain text with its places · classes of lines · amounts · clauses with their vessels · what the minutes are for · what each ingredient does ·
    the way it is cooked · one consistency pass that asks where it is not sure

A wrong fact that nobody doubts wastes a dinner: what the stages are not sure of becomes a doubt with its readings, not a guess.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from ..grains import Grain, grain
from ..measures import (
    RANGE_PATTERN,
    UNIT_PATTERN,
    WHISTLE_MIN,
    Measures,
    as_one,
    make_amount,
    parse_amount,
    unit_kind,
)
from ..problems import Problem, Refusal
from ..process import Span
from ..quick import lazy, quick
from ..recipe import DURATION_KINDS, LINE_CLASSES, ROLES, Correction, Duration, Line, Recipe, Step
from ..text import scans, sizes
from ..text.amounts import parse
from ..text.plain import joined
from ..text.times import stretches
from . import batches, consistency, dish, ingredients, method, minutes, pours, stated, structure
from .clauses import Clause, another_day_blanked, clauses, without_looks
from .intake import MOST_CHARACTERS, clean
from .names import as_rice, browned, find_grains, kind_of_rice
from .operations import operations
from .otherwise import blanked, of_other_sorts, own_sorts, without_others
from .own_measures import own_measures, vessel_of, vessel_told
from .placing import counted, first_so_many, named, pots_of_others, sorts, told_in, with_roles
from .pot_words import CLASS
from .settle import settle
from .structure import Piece, Structure
from .things import overlooked as find_overlooked
from .things import things_in
from .told_by import related
from .told_minutes import Block, Timed
from .ways import instead_blanked, of_other_ways, other_ways_told


def read(brought: str, measures: Measures | None = None, corrections: tuple[Correction, ...] = ()) -> Recipe:
    """The recipe in a text. Refusal only if there is nothing to read; what is unclear becomes a problem or a doubt.

    corrections: the cook's earlier words about single lines, found again by the line's text.
    """
    text = clean(brought)
    said = _said_classes(corrections)
    laid, several = batches.first_of(structure.lay_out(text, said))
    measures = own_measures(laid.plain, measures or Measures())
    lines, problems = things_in(laid, text, measures)
    overlooked = {} if any(ln.grain for ln in lines) else find_overlooked(laid, text, measures)
    if overlooked:
        laid, several = batches.first_of(structure.lay_out(text, {**overlooked, **said}))
        lines, problems = things_in(laid, text, measures)
    lines, source = _which_grain(lines, laid, measures, corrections)
    alone = _without_other_sorts(laid, lines, source)
    if alone is not laid:
        laid = alone
        lines, problems = things_in(laid, text, measures)
        lines, source = _which_grain(lines, laid, measures, corrections)
    alone = _without_other_ways(laid, lines, source)
    if alone is not laid:
        laid = alone
        lines, problems = things_in(laid, text, measures)
        lines, source = _which_grain(lines, laid, measures, corrections)
    problems += _letters_mended(brought, text)
    problems += _sizes_left(brought, several, laid)
    lines, misspelt = _near_unit(lines, source, measures)
    lines = related(lines, laid, source)
    lines, total = pours.made_up(lines, laid, source, measures)
    if total is None:
        lines, total = pours.reserved(lines, laid, source, measures)
    line = None if source is None else lines[source]
    texts, found, words, timed = _in_the_steps(laid, lines, source)
    elsewhere = pots_of_others(lines, line, found)
    timed = minutes.not_in(timed, found, elsewhere)
    timed = minutes.head_starts(timed, found, lines, line)
    timed = _told(timed, laid, text, corrections)
    title = laid.title.text if laid.title else ""
    told_dish = dish.of(title, texts)[0]
    if source is not None and lines[source].grain == "rice-paella" and told_dish in ("pudding", "porridge"):
        # "arroz redondo" in milk is the rice of a pudding
        lines = list(lines)
        lines[source] = ingredients.sized(lines[source].with_(grain="rice-pudding", ml=None), [])
    theirs = told_in(elsewhere, lines, found, laid)
    lines, tagged = with_roles(lines, source, found, timed, corrections, total, told_dish, theirs, laid)
    way = method.choose(
        title,
        texts,
        found,
        line.grain or "" if line else "",
        bool(line and line.cooked),
        _ratio(lines, source),
        _heats(timed, texts),
        _swims_in_milk(lines, line),
        any(t.kind == "whistles" for t in timed),
    )
    if line and line.cooked:
        # whatever is done with cooked grain, its own pot stands on the stove
        way = ("covered", max(way[1], 0.9), [])
    way_said = str(_said(corrections, "method") or way[0])
    if way_said == "drain":
        lines = _poured_off(lines, source)
    elif way_said == "steam":
        lines = _beside_the_steam(lines, found, timed)
    if way_said == "rice-cooker":
        timed = _not_baked(timed, texts)
    aside = [laid.plain[a:b] for a, b, cls, _ in laid.classes if cls not in ("step", "ingredient", "ingredients")]
    settled = settle(
        timed, grain(line.grain) if line and line.grain else None, way_said, told_dish, stated.totals(aside)
    )
    steps = _steps(text, laid, words, settled.timed, texts)
    recipe = Recipe(
        text=text,
        title=text[laid.title.span.start : laid.title.span.end] if laid.title else "Untitled recipe",
        title_span=laid.title.span if laid.title else None,
        servings=_said_servings(corrections) or (laid.servings[0] if laid.servings else None),
        servings_span=laid.servings[1] if laid.servings else None,
        lines=tuple(lines),
        steps=tuple(steps),
        notes=tuple((text[p.span.start : p.span.end], p.span) for p in laid.notes),
        headings=tuple((text[p.span.start : p.span.end], p.span) for p in laid.headings),
        source=source,
        count_out=counted(lines, tagged, corrections),
        allergens=ingredients.allergens([ln.text for ln in lines]),
        plain=laid.plain,
        line_classes=tuple(laid.classes),
        vessels=measures,
    )
    if source is None:
        it = next((f.text.lower() for p in laid.steps for f in find_grains(p.text)), "")
        missing = (
            f"The steps cook the {it}, but nothing says how much: add a line such as “200 g {it}”."
            if it
            else "I found no rice or other grain in this text; add a line such as “200 g rice”, or touch the line that is the grain."
        )
        problems.append(Problem("no_grain", "", missing, "stop"))
    recipe = _sums(recipe)
    recipe = dish.judge(recipe, found, way_said)
    if recipe.dish == "stuffing":
        # what is filled and baked with the grain does not join it when it is cooked
        lines = [
            ln.with_(role="beside") if ln.role == "after" and not ln.fraction and not ln.corrected else ln
            for ln in lines
        ]
        recipe = recipe.with_(lines=tuple(lines))
    recipe = recipe.with_(process=operations(recipe, found))
    problems += dish.problems(recipe, corrections)
    doubts = consistency.doubts(recipe, found, tagged, way, settled, laid, corrections, vessel_told(laid.plain))
    if misspelt and recipe.source_line is not None:
        doubts += consistency.misspelt_unit(recipe.source_line, misspelt, corrections)
    if recipe.source_line is not None and _listed_cooked(recipe.source_line, measures):
        doubts += consistency.listed_cooked(recipe.source_line)
    if overlooked and recipe.source_line is not None:
        doubts += consistency.found_in_talk(recipe.source_line, corrections)
    return recipe.with_(problems=tuple(problems), doubts=tuple(doubts))


def _which_grain(
    lines: list[Line], laid: Structure, measures: Measures, corrections: tuple[Correction, ...]
) -> tuple[list[Line], int | None]:
    """The lines with the cook's own words, and the place of the grain that is cooked, with its sort as the whole text tells it."""
    lines = _vessels_unknown(lines, measures)
    lines = _same_vessel([_corrected(ln, corrections) for ln in lines], measures)
    source = _source(lines, corrections, [p.text for p in laid.steps])
    lines = _raw_is_uncooked(lines, laid, source)
    lines = _boiled_beforehand(lines, laid, source)
    lines = _cooked_here(lines, laid, source, measures)
    lines = _named_elsewhere(lines, laid, source, corrections)
    return _of_its_dish(lines, laid, source), source


def _without_other_sorts(laid: Structure, lines: list[Line], source: int | None) -> Structure:
    """The structure without what its steps and notes say of another grain than its own; itself where they say nothing of the kind."""
    if source is None:
        return laid
    own, told = own_sorts(lines, lines[source])

    def left(piece: Piece) -> Piece:
        gone = of_other_sorts(piece.text, own, told)
        return replace(piece, text=blanked(piece.text, gone)) if gone else piece

    steps, notes = [left(p) for p in laid.steps], [left(p) for p in laid.notes]
    if steps == laid.steps and notes == laid.notes:
        return laid
    return replace(laid, steps=steps, notes=notes)


def _in_the_steps(
    laid: Structure, lines: list[Line], source: int | None
) -> tuple[list[str], list[Clause], list[re.Pattern[str] | None], list[Timed]]:
    """(the steps' texts, what is told of other ways and other days blanked; their clauses; which words of them name which lines; their stretches)."""
    texts = another_day_blanked(
        instead_blanked([without_looks(p.text) for p in laid.steps], [p.section for p in laid.steps])
    )
    found = clauses(texts)
    words = named(found, lines, laid)
    line = None if source is None else lines[source]
    blocks = [Block(t, p.span.start, p.section) for t, p in zip(texts, laid.steps, strict=True)]
    steeps = bool(line and line.grain and not grain(line.grain).simmer)
    timed = minutes.tag(blocks, found, _usual(line), bool(line and line.cooked), steeps, sorts(lines, source))
    return texts, found, words, timed


def _without_other_ways(laid: Structure, lines: list[Line], source: int | None) -> Structure:
    """The structure without what its steps tell of another stove or pot once the grain is cooked; itself where they tell nothing of the kind."""
    if source is None or not any(of_other_ways(p.text) for p in laid.steps):
        return laid
    *_, timed = _in_the_steps(laid, lines, source)
    gone = other_ways_told([p.text for p in laid.steps], ((t.block, t.stretch.start, t.kind) for t in timed))
    if not any(gone):
        return laid
    steps = [replace(p, text=blanked(p.text, g)) if g else p for p, g in zip(laid.steps, gone, strict=True)]
    return replace(laid, steps=steps)


# -- ingredients -------------------------------------------------------------------------------------------------


def _said_classes(corrections: tuple[Correction, ...]) -> dict[str, str]:
    out = {}
    for c in corrections:
        if c.cls:
            if c.cls not in LINE_CLASSES:
                raise Refusal(
                    "cls", "corrections", f"“{c.cls[:30]}” is no kind of line; choose one of {', '.join(LINE_CLASSES)}."
                )
            out[" ".join(c.line.split())] = c.cls
    return out


# so many of the words whose letters were mended are named
MOST_NAMED = 4


def _letters_mended(brought: str, text: str) -> list[Problem]:
    """What the scan misread and is read otherwise is said, so that nobody takes it for the page's own."""
    # a page's markup is no scan
    said = brought if len(brought) <= MOST_CHARACTERS else ""
    words = {w: it for w, it in sorted(scans.misread(said).items()) if w not in text}
    if not words:
        return []
    told = [f"“{w}” as “{it}”" for w, it in list(words.items())[:MOST_NAMED]]
    more = f" and {len(words) - MOST_NAMED} more" if len(words) > MOST_NAMED else ""
    return [
        Problem(
            "scan",
            "",
            f"A scan misread letters here; I read {', '.join(told)}{more}. Hold it against the page.",
            "note",
        )
    ]


def _sizes_left(brought: str, several: bool, laid: Structure) -> list[Problem]:
    """That amounts for other numbers of eaters stand there too is said: one of them is read."""
    if not several and (len(brought) > MOST_CHARACTERS or sizes.one_size(brought) == brought):
        return []
    whose = f" for {laid.servings[0]:g}" if laid.servings else ""
    said = f"It gives amounts for more than one size; I read those{whose or ' that come first'}. For more or fewer people the Bench reckons them anew."
    return [Problem("sizes", "", said, "note")]


def _corrected(line: Line, corrections: tuple[Correction, ...]) -> Line:
    for c in corrections:
        if c.line.strip() != line.text.strip():
            continue
        if c.role and c.role not in ROLES:
            raise Refusal("role", "corrections", f"“{c.role[:30]}” is not a role; choose one of {', '.join(ROLES)}.")
        if c.grain:
            grain(c.grain)
            line = ingredients.sized(
                line.with_(
                    grain=c.grain,
                    kind="grain",
                    ml=None
                    if unit_kind(line.unit) not in ("volume", "cup", "measure", "vessel") or not line.unit
                    else line.ml,
                    fraction=0.0,
                    drinks=0.0,
                ),
                [],
            )
        if c.amount:
            line = _amount_said(line, c.amount)
        if c.role:
            line = line.with_(role=c.role, corrected=True)
            if c.role == "pot_liquid" and not line.fraction and (line.ml or line.g):
                line = line.with_(fraction=0.9, water=0.9 * (line.ml or line.g or 0.0), ml=line.ml or line.g)
    return line


def _amount_said(line: Line, said: str) -> Line:
    """The cook's own amount for a line; Refusal if it is none. Millilitres for so many of a vessel say what the vessel holds, and its word stays."""
    amount = parse_amount(said)
    fresh = line.with_(ml=amount.ml, g=amount.g, corrected=True, water=0.0, drinks=0.0)
    if not (_is_vessel(line) and unit_kind(amount.unit) == "volume"):
        fresh = fresh.with_(quantity=amount.value, unit=amount.unit)
    kind, _ = ingredients.kind_of(line.name or line.text)
    if kind is not None and not line.grain and line.drinks:
        fresh = fresh.with_(drinks=kind.drinks)
    return ingredients.sized(fresh, [])


def _is_vessel(line: Line) -> bool:
    return bool(line.quantity) and unit_kind(line.unit) in ("vessel", "measure")


def _vessels_unknown(lines: list[Line], measures: Measures) -> list[Line]:
    """ "2 blims of rice, 3 blims of water": what a blim holds nobody says, but as much of both. It is reckoned as the household's measure, and asked."""
    if any(ln.grain and (ln.ml or ln.g) for ln in lines):
        # "1 part rice to 2 parts water" beside a cup of it says the water, and no vessel
        return lines
    words = {
        as_one(word).lower()
        for ln in lines
        if ln.grain and ln.ml is None and ln.g is None and (word := ingredients.unknown_unit(ln))
        if ingredients.nearest_unit(word) is None and not _NO_VESSEL.fullmatch(word)
    }
    return [_in_vessel(ln, words, measures) for ln in lines] if words else lines


def _in_vessel(line: Line, words: set[str], measures: Measures) -> Line:
    """The line with the first of these words behind its amount as the vessel it is measured in."""
    span = line.amount_span
    if span is None or line.quantity is None or line.unit:
        return line
    said = next((m for m in _A_WORD.finditer(line.text, span.end) if as_one(m[0]).lower() in words), None)
    if said is None:
        return line
    name = re.sub(rf"^{re.escape(said[0])}\s+(?:of\s+)?", "", line.name)
    at = line.name_span.start + len(line.name) - len(name) if line.name_span else 0
    low, high = line.quantity_range or (line.quantity, line.quantity)
    amount = make_amount(low, high, ANY_VESSEL, measures)
    named_ = line.name_span and Span(at, at + len(name))
    return ingredients.sized(
        line.with_(
            unit=ANY_VESSEL, ml=amount.ml, g=None, name=name, name_span=named_, amount_span=Span(span.start, said.end())
        ),
        [],
    )


_NO_VESSEL = quick(r"(?:sec|min|minute|hour|hr|day|person|people|portion|serving|kind|type|sort|colour|color)s?", re.I)
# the unit of vessels whose size only their owner knows
ANY_VESSEL = "katori"
_A_WORD = lazy(r"[^\W\d_]+(?:-[^\W\d_]+)*")


def _same_vessel(lines: list[Line], measures: Measures) -> list[Line]:
    """What the cook, or the weight of the grain in it, says a vessel holds counts for every line that is measured in it."""
    told = [ln for ln in lines if _is_vessel(ln) and ln.ml and (ln.corrected or (ln.grain and not ln.cooked))]
    each = {vessel_of(ln): (ln.ml or 0.0) / (ln.quantity or 1.0) for ln in sorted(told, key=lambda ln: ln.corrected)}
    usual = {u: make_amount(1, 1, u, measures).ml or 0.0 for u in {ln.unit for ln in told}}
    # "2 mugs rice (about 500 g)": then three mugs of water are three of those
    holds = {v: ml for v, ml in each.items() if all(abs(ml - x) > 1 for x in usual.values())}
    return [
        ingredients.sized(ln.with_(ml=(ln.quantity or 0.0) * holds[vessel_of(ln)], g=None, water=0.0), [])
        if not ln.corrected
        and _is_vessel(ln)
        and vessel_of(ln) in holds
        and ln.ml
        and abs(ln.ml - (ln.quantity or 0.0) * usual.get(ln.unit, 0.0)) < 1
        else ln
        for ln in lines
    ]


def _source(lines: list[Line], corrections: tuple[Correction, ...], steps: Sequence[str]) -> int | None:
    """The grain to be shifted: the cook's word, else the rice there is most of, a raw one first, else the first other grain. A rice that no step
    speaks of, beside another grain that they cook, is talk."""
    chosen = [ln for ln in lines if ln.corrected and ln.role == "source_grain"]
    if chosen:
        return chosen[0].index
    refused = {c.line.strip() for c in corrections if c.role and c.role != "source_grain"}
    grains = [ln for ln in lines if ln.grain and ln.text.strip() not in refused]
    rices = [ln for ln in grains if grain(ln.grain or "").family == "rice"] or grains
    told = [f for text in steps for f in find_grains(text)]
    # the list says little millet, the steps say millet
    spoken = {_last_word(f.text) for f in told}
    if not any(f.generic or grain(f.slug).family == "rice" for f in told):
        cooked = [ln for ln in grains if _last_word(ln.name) in spoken]
        # "soak everything except the millet" speaks of a quarter cup among two of rice
        enough = sum(ln.g or 0.0 for ln in cooked) >= 0.5 * max((ln.g or 0.0 for ln in rices), default=0.0)
        rices = cooked if any(ln.ml for ln in cooked) and enough else rices
    else:
        # 137 g of barley and 75 g of wild rice in one pot: the rice is what joins it
        weighed = max((ln.g or 0.0 for ln in rices), default=0.0)
        more = [ln for ln in grains if not ln.cooked and weighed and (ln.g or 0.0) >= MAINLY * weighed]
        rices = more if any(_last_word(ln.name) in spoken for ln in more) else rices
    # rice that a dish is only served with is not cooked here
    rices = [ln for ln in rices if ln.ml or not _SERVED.search(f"{ln.section} {ln.text}")]
    if not rices:
        return None
    sized = [ln for ln in rices if ln.ml]
    listed = [ln for ln in sized if not ln.section.startswith("step")] or sized
    if not listed:
        return rices[0].index
    most = max(ln.g or 0 for ln in listed)
    return next(ln.index for ln in listed if (ln.g or 0) >= 0.5 * most)


def _near(text: str, start: int, end: int) -> str:
    """What stands beside a name in its own sentence: "fry it brown. Boil the rice" calls no rice brown."""
    before = re.split(r"[.;!?]\s", text[max(0, start - 22) : start])[-1]
    return before + re.split(r"[.;!?](?:\s|$)", text[start : end + 26])[0]


# so much more than the rice of another grain makes that the dish's
MAINLY = 1.5


def _last_word(name: str) -> str:
    return re.split(r"[\s-]+", name.lower())[-1].removesuffix("s")


def _near_unit(lines: list[Line], source: int | None, measures: Measures) -> tuple[list[Line], str]:
    """ "2 cusp rice" is two cups, and asked about. The lines, and the word that was read as a unit."""
    mine = None if source is None else lines[source]
    word = None if mine is None or mine.ml is not None or mine.corrected else ingredients.unknown_unit(mine)
    unit = ingredients.nearest_unit(word) if word else None
    if mine is None or word is None or unit is None or mine.quantity is None:
        return lines, ""
    low, high = mine.quantity_range or (mine.quantity, mine.quantity)
    amount = make_amount(low, high, unit, measures)
    out = list(lines)
    out[mine.index] = ingredients.sized(mine.with_(unit=unit, ml=amount.ml, g=amount.g), [])
    return out, word


_RAW = lazy(r"(?:uncooked )?raw (?:white )?rice|raw rice grains", re.I)
_SOUTH_ASIAN = quick(
    r"\b(?:dal|dhal|masala|jeera|hing|asafoetida|curry leaves|urad|chana|moong|toor|tadka|tempering|idli|dosa|pongal|ghee|chillies?|kadai|kadhai|whistles?|katori|lakhs?|boiled rice|payasam|kheer|upma|rasam|sambar|kiribath|lunu miris|rampe|sambol|avurudu|sri lankan?)\b",
    re.I,
)


def _raw_is_uncooked(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
    """ "1 cup raw rice" is a kind of rice only where such rice is sold; elsewhere it says that it is not cooked yet."""
    mine = None if source is None else lines[source]
    if (
        mine is None
        or mine.grain != "rice-white-raw"
        or mine.corrected
        or not _RAW.fullmatch(mine.name.strip())
        or _SOUTH_ASIAN.search(laid.plain)
    ):
        return lines
    out = list(lines)
    by_mass = unit_kind(mine.unit) == "mass"
    plain = mine.with_(
        grain="rice-white-long", kind="generic rice", ml=None if by_mass else mine.ml, g=mine.g if by_mass else None
    )
    out[mine.index] = ingredients.sized(plain, [])
    return out


# "1 cup boiled rice", where no tongue of the Subcontinent calls parboiled rice so
_BOILED_RICE = lazy(r"(?<!par )(?<!par-)\bboiled (?:plain |white |long grain )?rice\b", re.I)


def _boiled_beforehand(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
    """ "Add 1 cup boiled rice" to a batter or a bake measures cooked rice, unless a step cooks it."""
    mine = None if source is None else lines[source]
    if (
        mine is None
        or mine.cooked
        or mine.corrected
        or not mine.grain
        or not _BOILED_RICE.search(mine.text)
        or _SOUTH_ASIAN.search(_BOILED_RICE.sub(" ", laid.plain))
        or any(_COOKS_IT.search(as_rice(p.text)) for p in laid.steps)
        or any(ln.carrier and (ln.ml or 0.0) >= (mine.ml or 1e9) for ln in lines)
    ):
        return lines
    out = list(lines)
    mass = unit_kind(mine.unit) == "mass"
    out[mine.index] = ingredients.sized(
        mine.with_(cooked=True, ml=None if mass else mine.ml, g=mine.g if mass else None), []
    )
    return out


# the short fat one in an English pudding, a long one by the Carolinas themselves
_CAROLINA = lazy(r"\bcarolina\b(?! gold)", re.I)


def _of_its_dish(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
    """Carolina rice is pudding rice where the dish is one."""
    mine = None if source is None else lines[source]
    if mine is None or mine.cooked or mine.grain != "rice-white-long" or not _CAROLINA.search(mine.text):
        return lines
    title = laid.title.text if laid.title else ""
    if dish.of(title, [p.text for p in laid.steps])[0] != "pudding":
        return lines
    weighed = mine.unit in ("g", "kg", "oz", "lb")
    sized = ingredients.sized(
        mine.with_(grain="rice-pudding", ml=None if weighed else mine.ml, g=mine.g if weighed else None), []
    )
    return [sized if ln is mine else ln for ln in lines]


_SAYS_WHITE = quick(r"\bwhite\b", re.I)
# "600 ml water (700 ml for brown rice)", "For brown rice, cook 40 minutes.", "if using brown rice", "brown rice works too": the one it is not
_FOR_WHOM = quick(
    r"(?:\b(?:for|(?:if|when)(?: you(?:'re| are)?)?(?: us(?:e|ing))?|us(?:e|ing)|or|not|unlike)|(?:^|[.;!?(]\s*)with)\s+$",
    re.I,
)
_INSTEAD = quick(
    r"\b(?:instead|substitut\w*|swap\w*|works?(?: well| too| fine| here| as well)|replac\w*|(?:can|could|may|also) (?:also )?(?:use|make|be made)|rather than|avoid|don'?t use|do not use|never|(?:takes?|needs?) (?:longer|more|less))\b",
    re.I,
)


def _another_choice(text: str, start: int, end: int) -> bool:
    """Is a rice named only as another one that could be taken?"""
    before = re.split(r"[.;!?\n]\s?", text[max(0, start - 90) : start])[-1]
    after = re.split(r"[.;!?\n]", text[end : end + 90])[0]
    return bool(_FOR_WHOM.search(text[max(0, start - 24) : start]) or _INSTEAD.search(before + " " + after))


def _named_elsewhere(
    lines: list[Line], laid: Structure, source: int | None, corrections: tuple[Correction, ...]
) -> list[Line]:
    """A list that only says rice, in a text that says which it is: "basmati" in the title or a step is meant here too. It is asked all the same."""
    if source is None or lines[source].kind != "generic rice":
        return lines
    if any(c.grain and c.line.strip() == lines[source].text.strip() for c in corrections):
        return lines
    place = lines[source].span
    title = laid.title.span if laid.title else None
    others = without_others(laid.plain)
    others = blanked(others, of_other_sorts(others, frozenset({lines[source].grain or ""}), False))
    told = {
        f.slug
        for f in find_grains(others)
        if title is not None
        and title.start <= f.span.start < title.end
        or not _another_choice(others, f.span.start, f.span.end)
        # that a list's rice is raw says no kind of it; a title or a step that calls it so does
        if not f.generic
        and grain(f.slug).family == "rice"
        and not (grain(f.slug).whole and _SAYS_WHITE.search(lines[source].text))
        and not (_RAW.fullmatch(f.text) and place.start <= f.span.start < place.end)
    }
    told |= {
        k
        for piece in [*laid.steps, *([laid.title] if laid.title else [])]
        for g in find_grains(piece.text)
        if g.generic
        and (k := kind_of_rice(_near(browned(piece.text), g.span.start, g.span.end)))
        # "Milk rice" names the dish
        and not (piece is laid.title and k == "rice-pudding")
    }
    if len(told) != 1:
        return lines
    slug = told.pop()
    mine = lines[source]
    out = list(lines)
    out[source] = ingredients.sized(
        mine.with_(
            grain=slug,
            ml=mine.ml if mine.unit not in ("g", "kg", "oz", "lb") else None,
            g=mine.g if mine.unit in ("g", "kg", "oz", "lb") else None,
        ),
        [],
    )
    return out


_SERVED = quick(
    r"\b(?:to serve|for serving|serve with|to go with|on the side|served? over|for the table|cooked rice|steamed rice|hot rice|alongside)\b",
    re.I,
)


# a liquid that is less than the grain itself is not what it is boiled and drained in
LEAST_TO_DRAIN = 1.0


_FROM_RAW = lazy(rf"\((?:[^()\d]*\b)?from (?:about )?(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\b[^()]*\)", re.I)
_COOKS_IT = lazy(
    r"\b(?:cook|boil|pressure[- ]cook)\w*\b[^.;!?]{0,24}\brice\b[^.;!?]{0,30}\b(?:water|whistles?|cooker|pot)\b", re.I
)


def _cooked_here(lines: list[Line], laid: Structure, source: int | None, measures: Measures) -> list[Line]:
    """ "Cooked rice - 3 cups (from 1 cup raw)", and the first step cooks it in two cups of water: it is the raw cup that is reckoned, or it would be cooked twice."""
    mine = None if source is None else lines[source]
    if mine is None or not mine.cooked:
        return lines
    told = [as_rice(p.text) for p in laid.steps]
    if mine.grain and mine.g and any(_boils_it(t, grain(mine.grain), mine.g, measures) for t in told):
        # the cook's own word for the amount is one of dry grain: so it was asked
        dry_g = mine.g / (1 if mine.corrected else _swells(grain(mine.grain)))
        dry = ingredients.sized(mine.with_(cooked=False, ml=None, g=dry_g), [])
        return [dry if ln is mine else ln for ln in lines]
    if mine.corrected:
        return lines
    at = mine.amount_span
    ml = parse(mine.text, at.start, at.end, measures).ml if at else None
    if ml and any(_as_raw(t, ml, measures) for t in told):
        out = list(lines)
        out[mine.index] = ingredients.sized(mine.with_(cooked=False, ml=ml, g=None), [])
        return out
    m = _FROM_RAW.search(mine.text)
    if m is None or not any(_COOKS_IT.search(t) for t in told):
        return lines
    raw = parse(mine.text, m.start("a"), m.end("a"), measures)
    if raw.ml is None and raw.g is None:
        return lines
    out = list(lines)
    out[mine.index] = ingredients.sized(
        mine.with_(
            cooked=False,
            quantity=raw.value,
            quantity_range=None,
            unit=raw.unit,
            amount_span=Span(m.start("a"), m.end("a")),
            ml=raw.ml,
            g=raw.g,
        ),
        [],
    )
    return out


# "cook the rice with 2 cups of water": of so much water to a measure the grain is dry
_COOKS_WITH = lazy(
    rf"\b(?:cook|boil|pressure[- ]cook)\w*\b[^.;!?\d]{{0,24}}\brice\b[^.;!?\d]{{0,16}}\b(?:with|in|adding) (?:about )?(?P<a>{RANGE_PATTERN}\s*[^\W\d_]+)\.? (?:of )?(?:[a-z]+ )?water\b",
    re.I,
)
LEAST_TO_DRY, MOST_TO_DRY = 1.3, 4.5


# "cook the rice in plenty of boiling salted water 11 minutes", "simmer the rice in 500 ml water, covered, for 12 minutes"
_BOILS_IT = lazy(
    rf"\b(?:cook|boil|simmer)\w*(?: the| your)? rice (?:(?:gently|briskly|covered|uncovered),? )?(?:in|with)\b[^.;!?\d]{{0,24}}?(?:(?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))\.?(?: of)?|\b(?:plenty|lots|boiling|salted|a (?:large|big) (?:pan|pot))\b)[^.;!?\d]{{0,24}}\bwater\b[^.;!?]{{0,60}}",
    re.I,
)
# of the usual time of its grain: what is shorter makes cooked grain hot
LEAST_TO_COOK = 0.6


def _swells(of: Grain) -> float:
    """g of cooked grain that a gram of it comes to, boiled by itself."""
    return 1 + of.hydration.get("fluffy", min(of.hydration.values()))


def _listed_cooked(line: Line, measures: Measures) -> bool:
    """Was the line's amount one of cooked grain, and is reckoned as what that was dry?"""
    at = line.amount_span
    if at is None or line.cooked or line.corrected or not ingredients.is_cooked(line.text):
        return False
    told = parse(line.text, at.start, at.end, measures)
    return told.ml != line.ml and told.g != line.g


def _boils_it(told: str, of: Grain, g: float, measures: Measures) -> bool:
    """Does a step boil for so many minutes, in so much water as dry grain drinks, what the list weighs cooked?"""
    m = _BOILS_IT.search(told)
    if m is None or not any(s.high >= LEAST_TO_COOK * of.simmer for s in stretches(m[0])):
        return False
    if m["a"] is None:
        return True
    dry_ml, water = g / _swells(of) / of.density, parse(told, m.start("a"), m.end("a"), measures).ml
    return water is not None and LEAST_TO_DRY <= water / dry_ml <= MOST_TO_DRY


def _as_raw(told: str, ml: float, measures: Measures) -> bool:
    """Does a step cook so much of the grain in water as only dry grain drinks?"""
    m = _COOKS_WITH.search(told)
    water = parse(told, m.start("a"), m.end("a"), measures).ml if m else None
    return water is not None and LEAST_TO_DRY <= water / ml <= MOST_TO_DRY


def _poured_off(lines: list[Line], source: int | None) -> list[Line]:
    """Of grain that is boiled in plenty and drained: "1/4 cup water over it" later, and the yoghurt around the meat, are no water of its pot."""
    mine = None if source is None else lines[source]
    if mine is None or not mine.ml or mine.cooked:
        return lines
    least = LEAST_TO_DRAIN * mine.ml
    return [
        ln.with_(role="beside")
        if ln.role == "pot_liquid"
        and not ln.corrected
        and ((ln.ml or 0.0) < least or not (ln.carrier or "milk" in ln.kind))
        else ln
        for ln in lines
    ]


def _beside_the_steam(lines: list[Line], found: Sequence[Clause], timed: Sequence[Timed]) -> list[Line]:
    """Grain that is steamed drinks nothing then: what no step names before it is at its heat is poured over it when it is done."""
    heats = [(t.block, t.stretch.start) for t in timed if t.kind == "heat"]
    if not heats:
        return lines
    before = {i for c in found if (c.block, c.start) <= min(heats) for i in c.lines}
    after = {i for c in found for i in c.lines} - before
    return [
        ln.with_(role="after") if ln.role == "pot_liquid" and not ln.corrected and ln.index in after else ln
        for ln in lines
    ]


# -- steps -------------------------------------------------------------------------------------------------------


def _told(timed: list[Timed], laid: Structure, text: str, corrections: tuple[Correction, ...]) -> list[Timed]:
    """The cook's word on what minutes are for goes before the tagger's, and settles the others with it."""
    said = {(" ".join(c.line.split()), c.minutes): c.kind for c in corrections if c.minutes and c.kind}
    for kind in said.values():
        if kind not in DURATION_KINDS:
            raise Refusal(
                "kind", "corrections", f"“{kind}” is no use of minutes; choose one of {', '.join(DURATION_KINDS)}."
            )
    out = []
    for t in timed:
        piece = laid.steps[t.block]
        shown = joined(text[piece.span.start : piece.span.end])
        told = said.get((" ".join(shown.split()), shown[t.stretch.start : t.stretch.end]))
        out.append(Timed(t.stretch, t.block, told, 1.0) if told else t)
    return out


def _steps(
    text: str,
    laid: Structure,
    words: Sequence[re.Pattern[str] | None],
    timed: Sequence[Timed],
    told: Sequence[str],
) -> list[Step]:
    """words: by which the steps speak of each line. told: the steps' texts as they were understood; one that is blank tells another way."""
    out = []
    for n, piece in enumerate(laid.steps):
        shown = joined(text[piece.span.start : piece.span.end])
        durations = []
        for t in timed:
            if t.block != n:
                continue
            s = t.stretch
            word = shown[s.start : s.end]
            durations.append(Duration(s.low, s.high, Span(s.start, s.end), word, t.kind, t.sure))
        instead = bool(shown.strip()) and not told[n].strip()
        if instead:
            durations = [
                Duration(s.low, s.high, Span(s.start, s.end), shown[s.start : s.end], "other", 0.95)
                for s in stretches(shown[:6000])
            ]
        else:
            # what was not looked at is no heat of today's
            durations += [
                Duration(s.low, s.high, Span(s.start, s.end), shown[s.start : s.end], "other", 0.95)
                for s in stretches(without_looks(shown[:6000]))
                if not told[n][s.start : s.end].strip()
            ]
            durations.sort(key=lambda d: d.span.start)
        first = first_so_many(piece.text)
        mentions = tuple(i for i, w in enumerate(words) if (w and w.search(piece.text)) or i < first)
        out.append(Step(n, shown, piece.span, piece.section, tuple(durations), mentions, instead))
    return out


# letters beside the word for a soak in which its minutes stand
NEAR = 40


# "(best if kept in the fridge overnight)"
_KEPT_COOKED = lazy(
    r"\b(?:kept|keep|left|store[ds]?|chill\w*|fridge|ref|refrigerat\w*|frozen|freez\w*|left-?over|day[- ]old|cold)\b",
    re.I,
)


def _sums(recipe: Recipe) -> Recipe:
    """Minutes at the heat, of rest, of release and of soak, from the kinds of all stretches."""

    def of(kind: str) -> list[float]:
        return [d.typical for st in recipe.steps for d in st.durations if d.kind == kind]

    soak = of("soak")
    inside = recipe.source_line
    # "cooked rice (kept overnight in the fridge)" soaks in nothing
    if not soak and inside is not None and not inside.cooked:
        # "rice 3 glasses (old basmati), soak 30 min": on its own line, to the line's end
        end = recipe.text.find("\n", inside.span.end)
        line = recipe.plain[inside.span.start : end if end >= 0 else len(recipe.plain)][:300]
        m = CLASS["SOAK"].search(line)
        if m and not (m[0].lower().startswith("overni") and _KEPT_COOKED.search(line)):
            # "(dhoke 30 min bhigo do)" has them before the word
            said = [
                *stretches(line[m.start() : m.end() + NEAR]),
                *stretches(line[max(0, m.start() - NEAR) : m.start()]),
            ]
            soak = [s.typical for s in said][:1]
    counted = sum(of("whistles")) * WHISTLE_MIN
    return recipe.with_(
        # at pressure the whistles' minutes are the grain's as much as those after them
        simmer_min=sum(of("heat")) + counted or None,
        rest_min=sum(of("rest")) if of("rest") else None,
        release_min=sum(of("release")) if of("release") else None,
        whistles=sum(of("whistles")) if of("whistles") else None,
        soak_min=max(soak, default=0.0),
    )


def _not_baked(timed: list[Timed], texts: Sequence[str]) -> list[Timed]:
    """ "Cook it in the rice cooker … press into a dish, bake 15 minutes": what the cooker has cooked, the oven only makes hot."""
    return [
        replace(t, kind="other", sure=0.9, others=(("heat", 0.1),))
        if t.kind == "heat" and method.in_oven(_told_there(t, texts))
        else t
        for t in timed
    ]


def _heats(timed: Sequence[Timed], texts: Sequence[str]) -> list[tuple[str, float]]:
    """Each stretch at the grain's heat: its sentence up to it and a little more, and its minutes."""
    return [(_told_there(t, texts), t.stretch.typical) for t in timed if t.kind == "heat"]


def _told_there(t: Timed, texts: Sequence[str]) -> str:
    text = texts[t.block]
    begins = max(text.rfind(c, 0, t.stretch.start) for c in ".;!?") + 1
    # "simmer 15 minutes. Microwave the peas" is on the hob; "25 minutes. 180 °C" in the oven
    behind = _ANOTHER_ACT.split(text[t.stretch.end : t.stretch.end + 24])[0]
    return text[max(begins, t.stretch.start - 160) : t.stretch.end] + behind


_ANOTHER_ACT = lazy(r"[.!?]\s+(?=[A-Z][a-z]+ (?:the|your) )")


def _usual(line: Line | None) -> float | None:
    return None if line is None or not line.grain else grain(line.grain).simmer or None


# of the grain's volume; less milk than that is sprinkled over it
LEAST_TO_SWIM = 0.5


def _swims_in_milk(lines: Sequence[Line], mine: Line | None) -> bool:
    wet = [ln for ln in lines if ln.role == "pot_liquid" and ln.water]
    milk = sum(ln.water for ln in wet if "milk" in ln.kind)
    return milk > 0.5 * sum(ln.water for ln in wet) and milk > LEAST_TO_SWIM * ((mine and mine.ml) or 0.0)


def _ratio(lines: Sequence[Line], source: int | None) -> float | None:
    """Water of the pot's liquids over the grain's volume."""
    if source is None or not lines[source].ml:
        return None
    return sum(ln.water for ln in lines if ln.role == "pot_liquid" or ln.kind == "tomato") / (lines[source].ml or 1.0)


def _said_servings(corrections: tuple[Correction, ...]) -> float | None:
    return next((c.servings for c in reversed(corrections) if not c.line.strip() and c.servings), None)


def _said(corrections: tuple[Correction, ...], what: str) -> object:
    return next(
        (getattr(c, what) for c in reversed(corrections) if not c.line.strip() and getattr(c, what) is not None), None
    )
