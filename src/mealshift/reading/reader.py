"""Text → Recipe, in stages that can each be measured.

    plain text with its places · classes of lines · amounts · clauses with their vessels · what the minutes are for · what each ingredient does ·
    the way it is cooked · one consistency pass that asks where it is not sure

A wrong fact that nobody doubts wastes a dinner: what the stages are not sure of becomes a doubt with its readings, not a guess.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import replace

from ..grains import grain
from ..measures import (
    NUMBER_PATTERN,
    WHISTLE_MIN,
    Measures,
    canonical_unit,
    make_amount,
    number_range,
    parse_amount,
    unit_kind,
)
from ..problems import Problem, Refusal
from ..process import Span
from ..recipe import DURATION_KINDS, LINE_CLASSES, ROLES, Correction, Duration, Line, Recipe, Step
from ..text.amounts import AMOUNT, MOST_ITEM, Item, items, parse
from ..text.plain import joined
from ..text.times import stretches
from . import consistency, dish, ingredients, method, minutes, pours, roles, stated, structure
from .clauses import Clause, another_day_blanked, clauses, instead_blanked, without_looks
from .intake import clean
from .names import browned, find_grains, kind_of_rice
from .operations import operations
from .settle import settle
from .structure import Structure
from .words import word_list

# role labels of the tagger → roles of the recipe
_ROLE = {"grain": "absorber", "liquid": "pot_liquid", "wet": "watery", "absorber": "absorber", "late": "timed", "fat": "fat", "salt": "salt", "spice": "beside",
         "whole_spice": "beside", "other_pot": "beside", "after": "after", "other": "beside"}  # fmt: skip
_DEFINED = re.compile(
    r"(?:(?<![\w.,/])(?P<many>\d{1,2}(?:[.,]\d|\s?[½¼¾⅓⅔]|\s\d/\d)?|[½¼¾⅓⅔]|an?|one|two|three|four)\s+)?\b(?P<v>cup|glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati|measure|pot)s?\s*(?:=|is|holds?|of|to hold)\s*(?:about|abt|approx\.?|around|like|roughly|some|just|exactly|~)?\s*(?P<n>\d{2,4})\s*(?P<u>ml|g|cc)\b"
    r"|\b(?P<k>\d|one|a)\s+(?P<v3>glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati)(?:es|s)?\s*\((?:about|abt|approx\.?|~|=)?\s*(?P<n4>\d{2,4})\s*(?:ml|cc)\)"
    r"|\b(?P<n2>\d{2,4})\s*-?\s*ml (?P<v2>cup|glass|mug|katori|tumbler|bowl|coffee cup)s?\b|\((?P<n3>\d{2,3})\s*ml cup\)",
    re.I,
)
# "1 cup basmati (I use a 250 ml mug)"
_CUP_IS = re.compile(
    r"\bcups?\b[^()\n]{0,40}\((?:I use|using|mine is|my cup is|use)\s+(?:an? |my )?(?P<n>\d{2,3})\s*ml\b[^()]{0,20}\)",
    re.I,
)
# "(pot = the small steel milk pot, quarter litre)", "the blue mug, it holds a cup and a half", "the mug is about 10 oz"
_HOLDS = re.compile(
    r"\b(?P<v>glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati|measure|pot)s?\b[^.;\n=]{0,30}?(?:=|\bholds?|\bis|\bit's|\bits)\s*(?:[^.;\n\d=]{0,50}?,\s*)?(?:about|abt|approx\.?|around|roughly)?\s*",
    re.I,
)
FLUID_OUNCE_ML = 29.57
_COOKER_CUP = re.compile(
    r"\bcups?\b[^.\n]{0,30}\b(?:that c[oa]mes? with|of|from) (?:the |your )?(?:rice )?cooker|\b(?:plastic|little) cup\b[^.\n]{0,30}cooker|\brice[- ]cooker[- ]cups?\b|\bcooker cups?\b",
    re.I,
)


def read(brought: str, measures: Measures | None = None, corrections: tuple[Correction, ...] = ()) -> Recipe:
    """The recipe in a text. Refusal only if there is nothing to read; what is unclear becomes a problem or a doubt.

    corrections: the cook's earlier words about single lines, found again by the line's text.
    """
    text = clean(brought)
    said = _said_classes(corrections)
    laid = structure.lay_out(text, said)
    measures = _own_measures(laid.plain, measures or Measures())
    lines, problems = _things_in(laid, text, measures)
    overlooked = {} if any(ln.grain for ln in lines) else _overlooked(laid, text, measures)
    if overlooked:
        laid = structure.lay_out(text, {**overlooked, **said})
        lines, problems = _things_in(laid, text, measures)
    lines = [_corrected(ln, corrections) for ln in lines]
    source = _source(lines, corrections, [p.text for p in laid.steps])
    lines = _named_elsewhere(lines, laid, source, corrections)
    lines, misspelt = _near_unit(lines, source, measures)
    lines = _related(lines, laid, source)
    lines, total = pours.made_up(lines, laid, source, measures)
    texts = instead_blanked([without_looks(p.text) for p in laid.steps], [p.section for p in laid.steps])
    texts = another_day_blanked(texts)
    found = clauses(texts)
    line = None if source is None else lines[source]
    blocks = [minutes.Block(t, p.span.start, p.section) for t, p in zip(texts, laid.steps, strict=True)]
    steeps = bool(line and line.grain and not grain(line.grain).simmer)
    timed = minutes.tag(blocks, found, _usual(line), bool(line and line.cooked), steeps)
    elsewhere = _pots_of_others(lines, line, found)
    timed = minutes.not_in(timed, found, elsewhere)
    timed = _told(timed, laid, text, corrections)
    title = laid.title.text if laid.title else ""
    told_dish = dish.of(title, texts)[0]
    theirs = _told_in(elsewhere, lines, found, laid)
    lines, tagged = _with_roles(lines, source, found, timed, laid, corrections, total, told_dish, theirs)
    way = method.choose(
        title,
        texts,
        found,
        line.grain or "" if line else "",
        bool(line and line.cooked),
        _ratio(lines, source),
        _heats(timed, texts),
    )
    way_said = str(_said(corrections, "method") or way[0])
    aside = [laid.plain[a:b] for a, b, cls, _ in laid.classes if cls not in ("step", "ingredient", "ingredients")]
    settled = settle(
        timed, grain(line.grain) if line and line.grain else None, way_said, told_dish, stated.totals(aside)
    )
    steps = _steps(text, laid, lines, settled.timed, texts)
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
        count_out=_counted(lines, tagged, corrections),
        allergens=ingredients.allergens([ln.text for ln in lines]),
        plain=laid.plain,
        line_classes=tuple(laid.classes),
        vessels=measures,
    )
    if source is None:
        problems.append(
            Problem(
                "no_grain",
                "",
                "I found no rice or other grain in this text; add a line such as “200 g rice”, or touch the line that is the grain.",
                "stop",
            )
        )
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
    doubts = consistency.doubts(recipe, found, tagged, way, settled, laid, corrections, _vessel_told(laid.plain))
    if misspelt and recipe.source_line is not None:
        doubts += consistency.misspelt_unit(recipe.source_line, misspelt, corrections)
    if overlooked and recipe.source_line is not None:
        doubts += consistency.found_in_talk(recipe.source_line, corrections)
    return recipe.with_(problems=tuple(problems), doubts=tuple(doubts))


# -- measures a text brings with it ------------------------------------------------------------------------------


def _own_measures(told: str, measures: Measures) -> Measures:
    """ "1 cup = 250 ml", "2 cups (180ml cup)": the text's own vessel goes before the household's."""
    cup, measure = measures.cup_ml, measures.measure_ml
    if _COOKER_CUP.search(told) and not re.search(r"\b(?:measuring|US|standard) cups?\b", told):
        cup = 180.0
    for m in list(_DEFINED.finditer(told))[:6]:
        word = (m["v"] or m["v2"] or m["v3"] or "cup").lower()
        size = float(m["n"] or m["n2"] or m["n3"] or m["n4"])
        if many := m["k"] if m["v3"] else m["many"]:
            # "3 mugs (750 ml)", "3 cups = 700 ml"
            size /= number_range(many)[0] or 1.0
        if m["u"] and m["u"].lower() == "g" or not 20 <= size <= 1000:
            continue
        if word == "cup":
            cup = size
        else:
            measure = size
    if (told_cup := _CUP_IS.search(told)) and 90 <= float(told_cup["n"]) <= 500:
        cup = float(told_cup["n"])
    for m in list(_HOLDS.finditer(told))[:6]:
        said = AMOUNT.match(told, m.end())
        unit = canonical_unit(said["u"] or "") if said else None
        ends = re.compile(r"[);,\n]|\.(?!\d)|$").search(told, m.end())
        if said is None or unit is None or ends is None:
            continue
        # to the end of what is said: "a cup and a half"
        vessel = parse(told, said.start(), ends.start(), replace(measures, cup_ml=cup, measure_ml=measure))
        if vessel.name:
            continue
        held = vessel.ml or (FLUID_OUNCE_ML * (vessel.value or 0.0) if unit == "oz" else None)
        if held and 60 <= held <= 1500:
            measure = held
    return replace(measures, cup_ml=cup, measure_ml=measure, pints=measures.pints or _pints(told))


def _vessel_told(told: str) -> bool:
    """Does the text itself say what its glass, mug or katori holds?"""
    return any(
        (m["v"] or m["v2"] or m["v3"] or "cup").lower() != "cup" for m in list(_DEFINED.finditer(told))[:6]
    ) or bool(any(AMOUNT.match(told, m.end()) for m in list(_HOLDS.finditer(told))[:6]))


_PINTS = re.compile(r"\b(?:pints?|pts?|quarts?|qts?)\b", re.I)
_IMPERIAL = re.compile(
    r"\b(?:gills?|quartern|ozs|hob|gas mark|caster|castor|aubergines?|courgettes?|treacle|sultanas|teacupful|breakfastcup\w*|dripping|new milk|loaf[- ]sugar"
    r"|patna|carolina rice|tins? of|plain flour|double cream|single cream|litres?|grammes?|stone|shillings?|coriander leaves)\b|\b\d+[ds]\.(?=\s|,)|£|°C",
    re.I,
)
_AMERICAN = re.compile(
    r"\b(?:sticks? (?:of )?(?:butter|oleo|margarine)|oleo|skillet|dutch oven|all-purpose|half-and-half|half & half|heavy cream|cilantro|scallions?|green onions?"
    r"|kosher|ground (?:beef|chuck|turkey|pork)|broil\w*|hotdish|casserole dish|cans?|crockpot|crock-pot|shortening|confectioners?)\b|°\s?F|\b3[257][05]\s?(?:F\b|degrees)",
    re.I,
)


def _pints(told: str) -> str:
    """Which pints and quarts a text means, by its other words; "" if it has none, or they do not tell."""
    if not _PINTS.search(told):
        return ""
    here, there = len(_IMPERIAL.findall(told)), len(_AMERICAN.findall(told))
    return "imperial" if here > there else "american" if there > here else ""


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


def _things_in(laid: Structure, text: str, measures: Measures) -> tuple[list[Line], list[Problem]]:
    problems: list[Problem] = []
    lines = _ingredient_lines(laid, text, measures, problems)
    return lines + _in_prose(lines, laid, text, measures, problems), problems


# a line of more words than this tells something, and is no list
_MOST_LISTED = 25


def _overlooked(laid: Structure, text: str, measures: Measures) -> dict[str, str]:
    """Of a text in which no grain was found: the lines that name one with an amount, whatever they were taken for, and the list they stand in.

    A recipe is not refused because its list reads like talk. class by the line's text.
    """
    out: dict[str, str] = {}
    places = [(a, b, cls, laid.plain[a:b]) for a, b, cls, _ in laid.classes]
    for n, (a, b, cls, told) in enumerate(places):
        named = _mentions(told[:MOST_ITEM], measures)
        grains = [i for i in named if find_grains(i.text)]
        if cls in ("ingredient", "ingredients") or not grains:
            continue
        if len(named) > len(items(told, measures, True)) or len(told.split()) > _MOST_LISTED:
            out[" ".join(text[a:b].split())] = "step" if any(stretches(told)) else "ingredients"
            continue
        out[" ".join(text[a:b].split())] = "ingredients" if len(named) > 1 else "ingredient"
        for way in (-1, 1):
            k = n + way
            while 0 <= k < len(places) and places[k][2] in ("chatter", "meta", "note", "title"):
                upper, lower = sorted((places[k - way], places[k]))
                if text[upper[1] : lower[0]].count("\n") > 1 or not _LISTED.search(places[k][3]):
                    break
                out[" ".join(text[places[k][0] : places[k][1]].split())] = "ingredient"
                k += way
    return out


# an amount, or what a list sets apart by dots and dashes
_LISTED = re.compile(r"\.{3,}|\s[–—]\s|^\W*(?:\d|[½¼¾⅓⅔])|(?:\d|[½¼¾⅓⅔])[^.!?]{0,12}$")


def _ingredient_lines(laid: Structure, text: str, measures: Measures, problems: list[Problem]) -> list[Line]:
    out: list[Line] = []
    for piece, many in laid.lines:
        for item in items(piece.text, measures, many):
            out.append(ingredients.lines_of_item(item, text, piece.span.start, len(out), piece.section, problems))
    return out


_NAME_AFTER = re.compile(
    r"\s*(?:of\s+)?(?:the\s+|that\s+|good\s+|your\s+)*(?P<name>(?:[^\W\d_]+(?:['-][^\W\d_]+)*\s+){0,4}[^\W\d_]+(?:['-][^\W\d_]+)*)",
    re.I,
)
_STOP = r"(?:and|then|in|into|to|until|till|with|on|over|or|at|for|when|so|if|but|go|goes|is|are|you|from|per|each|more|stir\w*|add|bring|cover|simmer|cook|boil|pour|put|chopped|sliced|sorry|um|uh|not|which|that)"
_IF_NEEDED = re.compile(
    r"\b(?:not yet|if (?:it|the|needed|necessary|dry|too|you)|more if|extra|top up|splash|another(?! (?:large |small |big |heavy |wide )?(?:pan|pot|saucepan|skillet|bowl|dish|cooker))|too (?:thick|dry)|unsoaked|skip|instead|brown rice:|use up to)\b",
    re.I,
)
_MEANT = re.compile(r"[\s,.…-]*(?:sorry|no|wait|i mean|rather|make that)\b[\s,.…\w]{0,20}$", re.I)
_SOAKING = re.compile(r"\b(?:soak\w*|rinse|wash|cover (?:the rice |it |them )?with)\b", re.I)


def _in_prose(lines: list[Line], laid: Structure, text: str, measures: Measures, problems: list[Problem]) -> list[Line]:
    """What only the steps name: all of a recipe told as prose; of one with a list the grain or liquids the list leaves out."""
    have_grain = any(ln.grain for ln in lines)
    alone = len(lines) < 3
    kinds = {ln.kind for ln in lines if ln.fraction and ln.ml}
    known = {(ln.kind, round(ln.ml or 0)) for ln in lines if ln.fraction}
    # a grain that neither list nor steps name may stand in the talk around them
    elsewhere = not have_grain and bool(laid.steps)
    mine = instead_blanked([p.text for p in laid.steps], [p.section for p in laid.steps])
    pieces = [*laid.steps, *(laid.notes if alone or elsewhere else [])]
    out: list[Line] = []
    for piece in pieces:
        n = laid.steps.index(piece) + 1 if piece in laid.steps else 0
        if n and not mine[n - 1].strip():
            # another way to cook it
            continue
        for item in _mentions(piece.text, measures):
            line = ingredients.lines_of_item(
                item, text, piece.span.start, len(lines) + len(out), f"step {n}" if n else "", problems
            )
            around = piece.text[max(0, item.start - 50) : item.end + 25]
            if not alone and not n and not line.grain:
                continue
            if line.grain:
                keep = not have_grain and not any(x.grain == line.grain for x in out)
            elif line.fraction and line.ml:
                listed = line.kind in kinds or (line.kind, round(line.ml)) in known
                keep = (
                    not listed
                    and not _IF_NEEDED.search(around)
                    # nobody soaks or washes in coconut milk or stock
                    and not (
                        line.kind == "water"
                        and _SOAKING.search(re.split(r"[.;!?]", piece.text[max(0, item.start - 50) : item.end])[-1])
                    )
                )
                known.add((line.kind, round(line.ml)))
            else:
                keep = alone and line.quantity is not None and (line.kind != "" or bool(line.unit))
            if keep and out and _MEANT.match(text[out[-1].span.end : line.span.start]) and out[-1].kind == line.kind:
                # "two and a half cups, sorry, two and a quarter": the second is meant
                out.pop()
            if keep:
                out.append(line.with_(index=len(lines) + len(out)))
    return [*out, *_forgotten([*lines, *out], laid, text, measures)]


def _foods_in(text: str) -> Iterator[tuple[int, int]]:
    """Places of what can be eaten, two words before one."""
    for m in _JUICE.finditer(text):
        yield m.span()
    for m in _CLOVES.finditer(text):
        # the garlic's stand alone; the spice stands among its like
        if _WHOLE_SPICE.search(text[max(0, m.start() - 60) : m.end() + 60]):
            yield m.span()
    words = [(m.start(), m.end(), re.sub(r"(?<=[^s])s$", "", m[0].lower())) for m in _WORDS.finditer(text)]
    taken = -1
    for i, (start, end, word) in enumerate(words):
        # the word behind it, if nothing but a blank stands between
        then = words[i + 1] if i + 1 < len(words) and text[end : words[i + 1][0]] == " " else None
        if then and f"{text[start:end].lower()} {then[2]}" in ingredients.foods():
            taken = i + 1
            yield start, then[1]
        elif i > taken and word in ingredients.foods():
            if then and text[then[0] : then[1]].lower() in word_list("food_part") and word not in ("oil", "butter"):
                taken, end = i + 1, then[1]
            yield start, end


_WORDS = re.compile(r"[^\W\d_]+(?:-[^\W\d_]+)*")
_JUICE = re.compile(
    r"\bjuice of (?:(?:an?|one|two|three|half an?|the|\d+|[½¼]) )?(?:small |large |whole )?(?:lemon|lime|orange)s?\b",
    re.I,
)
_CLOVES = re.compile(r"(?<!garlic )(?<!fat )\bcloves\b(?! (?:of |garlic))", re.I)
_WHOLE_SPICE = re.compile(r"\b(?:cinnamon|cardamoms?|bay|pepper ?corns?|cumin|nutmeg|mace|anise|allspice)\b", re.I)
_NOT_THERE = re.compile(
    r"\b(?:no|without|instead of|or|like|than|not|as for|size of an?|if using|optional)\s+(?:\w+\s+)?$", re.I
)


def _forgotten(lines: list[Line], laid: Structure, text: str, measures: Measures) -> list[Line]:
    """What goes in by the steps and stands in no list: without an amount, but said, so that it is bought and not lost."""
    listed = " ".join(ln.text.lower() for ln in lines)
    out: list[Line] = []
    for n, piece in enumerate(laid.steps, 1):
        for start, end in _foods_in(piece.text[:6000]):
            said = piece.text[start:end].lower()
            head = "juice" if said.startswith("juice of") else re.sub(r"(?:es|s)$", "", said.split()[-1])
            if head in listed or _NOT_THERE.search(piece.text[max(0, start - 40) : start]) or len(out) > 30:
                continue
            item = parse(piece.text, start, end, measures)
            line = ingredients.lines_of_item(item, text, piece.span.start, len(lines) + len(out), f"step {n}", [])
            if line.grain or line.fraction:
                continue
            listed += " " + said
            out.append(line)
    return out


_PART_OF = re.compile(
    r"(?:an? )?(?:half|third|quarter|two thirds|three quarters|one third|one half)(?: of)? +(?:the|that|this|it|them|your)\b",
    re.I,
)


def _mentions(text: str, measures: Measures) -> list[Item]:
    """Amounts with the name that follows or, for the grain, stands before."""
    out: list[Item] = []
    end_before = 0
    for m in AMOUNT.finditer(text):
        unit = canonical_unit(m["u"] or "") or ""
        if m.start() < end_before or (not m["u"] and m["n"].lower() in ("a", "an")):
            continue
        measured = bool(unit)
        after = text[m.end() :]
        if not measured and _PART_OF.match(f"{m['n']} {after[:12]}"):
            # "half the tomatoes" are no other tomatoes
            continue
        bracket = re.match(r"\s*\([^)]*\)", after)
        at = m.end() + (bracket.end() if bracket else 0)
        name = _NAME_AFTER.match(text, at)
        if not name:
            continue
        cut = re.search(rf"\s+{_STOP}\b", name["name"] + " ", re.I)
        words = name["name"][: cut.start()] if cut else name["name"]
        if re.match(rf"{_STOP}\b", words, re.I) or not words:
            continue
        end = name.start("name") + len(words)
        kind = ingredients.kind_of(words)[0]
        wet = kind is not None and kind.water > 0
        stop = re.search(r"[.;!?\n](?!\d)", text[end : end + 30])
        grains = [] if wet else find_grains(text[m.start() : min(len(text), end + (stop.start() if stop else 30))])
        if grains and grains[0].span.start + m.start() <= end + 12:
            end = max(end, m.start() + grains[0].span.end)
            tail = re.match(r"[^,.;\n]{0,30}", text[end:])
            if tail and re.search(r"\b(?:type|one|kind|grain|basmati|jasmine)\b", tail[0]):
                end += tail.end()
        elif not measured and kind is None:
            continue
        size = re.match(r"\s*\([^()]{2,40}\)", text[end:]) if unit in ("tin", "packet") else None
        if size and AMOUNT.search(size[0]):
            # "1 can coconut milk (400 ml)"
            end += size.end()
        if re.match(r"\s*(?:min|hour|second|degrees|people|times|parts?)", after, re.I) or re.match(
            r"\s*(?:rice )?cooker\b(?! cups?)", text[end:], re.I
        ):
            continue
        out.append(parse(text, m.start(), end, measures))
        end_before = end
    for g in find_grains(text):
        # "Rice is two mugs", "rice 2 cups"
        if any(i.start <= g.span.start < i.end for i in out):
            continue
        m2 = re.match(r"\s*(?:is|are|[-:=(]|\.{2,}|…|about)?\s*", text[g.span.end :])
        a = AMOUNT.match(text, g.span.end + (m2.end() if m2 else 0))
        if a and a["u"] and canonical_unit(a["u"]) and unit_kind(canonical_unit(a["u"]) or "") != "count":
            out.append(parse(text, g.span.start, a.end(), measures))
    return sorted(out, key=lambda i: i.start)


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
    """The cook's own amount for a line; Refusal if it is none."""
    amount = parse_amount(said)
    fresh = line.with_(
        ml=amount.ml, g=amount.g, quantity=amount.value, unit=amount.unit, corrected=True, water=0.0, drinks=0.0
    )
    kind, _ = ingredients.kind_of(line.name or line.text)
    if kind is not None and not line.grain and line.drinks:
        fresh = fresh.with_(drinks=kind.drinks)
    return ingredients.sized(fresh, [])


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
    spoken = {f.slug for f in told if not f.generic}
    if not any(f.generic or grain(f.slug).family == "rice" for f in told) and any(
        ln.grain in spoken and ln.ml for ln in grains
    ):
        rices = [ln for ln in grains if ln.grain in spoken]
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


def _named_elsewhere(
    lines: list[Line], laid: Structure, source: int | None, corrections: tuple[Correction, ...]
) -> list[Line]:
    """A list that only says rice, in a text that says which it is: "basmati" in the title or a step is meant here too. It is asked all the same."""
    if source is None or lines[source].kind != "generic rice":
        return lines
    if any(c.grain and c.line.strip() == lines[source].text.strip() for c in corrections):
        return lines
    told = {f.slug for f in find_grains(laid.plain) if not f.generic and grain(f.slug).family == "rice"}
    told |= {
        k
        for piece in [*laid.steps, *([laid.title] if laid.title else [])]
        for g in find_grains(piece.text)
        if g.generic and (k := kind_of_rice(browned(piece.text)[max(0, g.span.start - 22) : g.span.end + 26]))
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


_SERVED = re.compile(
    r"\b(?:to serve|for serving|serve with|to go with|on the side|served? over|for the table|cooked rice|steamed rice|hot rice|alongside)\b",
    re.I,
)


# "the same of water", "double the volume of stock", "1½ times as much water as rice", "1:2", "two parts water"
_RELATION = re.compile(
    r"(?:(?P<same>(?:the |an? )?(?:same|equal)(?: again)?(?: (?:amount|volume|quantity|measure))?)|(?P<double>double|twice)|(?P<times>[\d.,½¼¾⅓⅔/ ]+|one and a half|two and a half|three|two)\s*times)"
    r"(?: (?:as much|the (?:amount|volume|quantity)|its volume|that))?(?: in| of)?(?= (?:the )?(?:boiling |hot |cold |vegetable |chicken )*(?P<what>water|stock|broth|milk)\b)",
    re.I,
)


def relation(text: str) -> tuple[float, int, int] | None:
    """(times the grain's volume, start, end) of a liquid's amount told by the grain's, or None."""
    m = _RELATION.search(text)
    if not m:
        return None
    if m["same"]:
        return 1.0, m.start(), m.end()
    if m["double"]:
        return 2.0, m.start(), m.end()
    try:
        low, high = number_range(m["times"])
    except ValueError:
        return None
    return (low + high) / 2, m.start(), m.end()


# "water - double the rice", "water: twice as much as rice"
_BY_THE_RICE = re.compile(
    rf"(?P<times>double|twice|same as|equal to|(?:{NUMBER_PATTERN})\s*(?:times|x))\s+(?:as much as |the (?:amount|quantity|volume) of |that of |of )?(?:the |your )?(?:rice|grain)\b",
    re.I,
)
# "1 : 1.5 rice to water", "2 parts water to 1 part rice"
_RATIO = (
    re.compile(rf"(?P<rice>{NUMBER_PATTERN})\s*(?::|to)\s*(?P<wet>{NUMBER_PATTERN})\s*(?:\(|of )?rice(?: to |:| : |/)(?P<what>water|stock|broth)\b", re.I),
    re.compile(rf"(?P<rice>{NUMBER_PATTERN}) parts? (?:of )?rice (?:to|and|:) (?P<wet>{NUMBER_PATTERN})(?: parts?)?(?: of)? (?P<what>water|stock|broth)\b", re.I),
)  # fmt: skip


def _by_the_rice(text: str) -> tuple[float, int, int] | None:
    """(times the grain's volume, start, end) of a line that names its liquid before."""
    m = _BY_THE_RICE.search(text)
    if m is None:
        return None
    said = re.sub(r"\s*(?:times|x)$", "", m["times"].lower())
    times = {"double": 2.0, "twice": 2.0, "same as": 1.0, "equal to": 1.0}.get(said)
    try:
        return (times if times is not None else sum(number_range(said)) / 2), m.start(), m.end()
    except ValueError:
        return None


def _by_ratio(lines: Sequence[Line], laid: Structure, volume: float) -> list[Line]:
    """Water that stands nowhere but in a ratio told beside list and steps."""
    for m in (m for p in _RATIO for m in p.finditer(laid.plain[:6000])):
        kind = ingredients.kind_of(m["what"])[0]
        try:
            times = number_range(m["wet"])[0] / (number_range(m["rice"])[0] or 1.0)
        except ValueError:
            continue
        if kind is None or not 0.8 <= times <= 6:
            continue
        ml, amount = times * volume, Span(0, len(m[0][: m.start("what") - m.start()].rstrip(" :/")))
        return [
            Line(len(lines), m[0], Span(m.start(), m.end()), "", ml, None, "ml", m["what"], None, amount, kind.role, kind.kind, ml, ml, ml * kind.water, kind.water, carrier=kind.carrier)
        ]  # fmt: skip
    return []


# "fill the coconut tin once with water", "two (empty) tins of water"
_TIN_OF_WATER = re.compile(
    r"\b(?:(?:re)?fill|swill out|rinse out)(?:ing)? (?:the|that|this|your)(?: (?:empty|same))? (?:(?P<what>coconut|tomato|bean)s?(?: milk)? )?(?:tin|can)(?P<twice> twice)?(?: (?:once|up|again))*(?: and \w+)?(?: with| of) (?P<kind>(?:(?:cold|hot|boiling|warm|fresh) )?(?:water|stock))\b",
    re.I,
)


def _tins_of_water(lines: Sequence[Line], laid: Structure) -> list[Line]:
    """Water that a step measures with the tin of another thing: as much as that tin held."""
    for n, piece in enumerate(laid.steps):
        m = _TIN_OF_WATER.search(piece.text[:4000])
        if m is None:
            continue
        tins = [ln for ln in lines if ln.unit == "tin" and (ln.ml or ln.g)]
        named = [ln for ln in tins if m["what"] and m["what"].lower() in ln.text.lower()] or tins
        kind = ingredients.kind_of(m["kind"])[0]
        if not named or kind is None:
            continue
        one = (named[0].ml or named[0].g or 0.0) / max(1.0, named[0].quantity or 1.0)
        ml, at = one * (2 if m["twice"] else 1), piece.span.start
        told = Span(at + m.start(), at + m.end())
        # to the word before the blank
        amount = Span(0, len(m[0][: m.start("kind") - m.start()].rstrip()))
        return [
            Line(len(lines), m[0], told, f"step {n + 1}", ml, None, "ml", m["kind"], None, amount, kind.role, kind.kind, ml, ml, ml * kind.water, kind.water, carrier=kind.carrier)
        ]  # fmt: skip
    return []


def _related(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
    if source is None or not lines[source].ml:
        return lines
    volume = lines[source].ml or 0.0
    out = []
    for ln in lines:
        told = (relation(ln.text) or _by_the_rice(ln.text)) if ln.fraction and ln.ml is None else None
        if told:
            ml = told[0] * volume
            ln = ln.with_(
                ml=ml, g=ml, water=ml * ln.fraction, quantity=told[0], unit="ml", amount_span=Span(told[1], told[2])
            )
        out.append(ln)
    if any(ln.carrier and ln.ml for ln in out):
        return out
    out += _tins_of_water(out, laid) or _by_ratio(out, laid, volume)
    if any(ln.carrier and ln.ml for ln in out):
        return out
    for n, piece in enumerate(laid.steps):
        told = relation(piece.text)
        liquid = told and re.match(
            r"\s*(?:the )?((?:[a-z]+ ){0,2}?(?:water|stock|broth|milk))\b", piece.text[told[2] :], re.I
        )
        kind = ingredients.kind_of(liquid[1])[0] if liquid else None
        if not told or liquid is None or not liquid or kind is None:
            continue
        ml, end, at = told[0] * volume, told[2] + liquid.end(), piece.span.start
        out.append(Line(len(out), piece.text[told[1] : end], Span(at + told[1], at + end), f"step {n + 1}", told[0], None, "ml", liquid[1], None, Span(0, told[2] - told[1]),
                        kind.role, kind.kind, ml, ml, ml * kind.water, kind.water, carrier=kind.carrier))  # fmt: skip
        break
    return out


# -- roles -------------------------------------------------------------------------------------------------------


def things(
    lines: Sequence[Line], source: int | None, found: Sequence[Clause], timed: Sequence[minutes.Timed], laid: Structure
) -> list[roles.Thing]:
    """The lines as the tagger of roles sees them."""
    home = lines[source].section if source is not None else ""
    volume = lines[source].ml if source is not None else None
    last = max(((t.block, t.stretch.end) for t in timed if t.kind == "heat"), default=None)
    out = []
    for ln, pattern in zip(lines, ingredients.handles(lines, _told_steps(laid)), strict=True):
        uses = []
        if pattern:
            for c in found:
                if pattern.search(c.text):
                    uses.append((c, last is not None and (c.block, c.start) >= last))
                    if len(uses) == 2:
                        break
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
                tuple(uses),
                ln.section == home,
            )
        )
    return out


def _with_roles(
    lines: list[Line],
    source: int | None,
    found: list[Clause],
    timed: list[minutes.Timed],
    laid: Structure,
    corrections: tuple[Correction, ...],
    total: pours.MadeUp | None,
    told_dish: str,
    theirs: frozenset[int],
) -> tuple[list[Line], list[tuple[str, float]]]:
    """theirs: lines that only another grain's pot is told to hold."""
    seen = things(lines, source, found, timed, laid)
    tagged, chances = roles.tag(seen)
    cooks = max(((c.block, c.start) for c in found if c.verb == "cook"), default=(-1, 0))
    # sentences in which the grain comes to the boil or cooks
    heated = {c.sentence for c in found if c.verb in ("boil", "cook") and c.grains and "grain" in c.things}
    for i, (ln, thing) in enumerate(zip(lines, seen, strict=True)):
        first = thing.uses[0][0] if thing.uses else None
        if tagged[i][0] == "after" and ln.kind == "tomato" and first and (first.block, first.start) < cooks:
            # poured around what is still to bake it is cooked with it: it joins nothing afterwards
            tagged[i], chances[i] = ("wet", 0.6), 0.6
        elif tagged[i][0] == "after" and first and first.sentence in heated and not thing.uses[0][1]:
            # what comes to the boil with the grain joins nothing when that is done
            tagged[i], chances[i] = ("other", 0.6), 0.0
    if total is not None:
        # what the sum is made of is poured with it, not a second time
        for i in total.parts:
            tagged[i], chances[i] = ("other", 0.8), 0.0
        tagged[total.line], chances[total.line] = ("liquid", 0.8), 1.0
    for i, mine in pours.choose(lines, source, tagged, chances, told_dish).items():
        # decided by the sum, not by the words: it is asked
        tagged[i] = ("liquid" if mine else "other_pot", 0.5)
    for i in theirs:
        tagged[i], chances[i] = ("other_pot", 0.8), 0.0
    parts = {c.line.strip().rstrip(":"): c.role for c in corrections if c.role}
    home = lines[source].section if source is not None else ""
    late = _late(lines, found, timed)
    out = [
        _role(ln, _placed(ln, label, home, late), source, parts.get(ln.section))
        for ln, (label, _) in zip(lines, tagged, strict=True)
    ]
    if source is not None:
        out[source] = out[source].with_(role="source_grain")
    return out, tagged


_JOINS = re.compile(r"\b(?:dressing|syrup|gravy|vinaigrette)\b", re.I)
_BESIDE = re.compile(
    r"\b(?:relish|salad|raita|sauce|topping|toppings|side|sides|garnish|marinade|chutney|salsa)\b", re.I
)


def _placed(line: Line, label: str, home: str, late: frozenset[int]) -> str:
    """The label, where the section or the minutes beside it say more than its words: a dressing joins, a topping's water is the topping's."""
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


def _late(lines: Sequence[Line], found: Sequence[Clause], timed: Sequence[minutes.Timed]) -> frozenset[int]:
    """What goes in while the grain cooks: first named in a sentence of "the last 5 minutes" or "after 10 minutes"."""
    marked = {(t.block, t.stretch.start) for t in timed if t.kind in ("from_end", "from_start")}
    sentences = {c.sentence for c in found for block, at in marked if c.block == block and c.start <= at < c.end}
    out = set()
    for ln, pattern in zip(lines, ingredients.handles(lines, " ".join(c.text for c in found)), strict=True):
        first = next((c for c in found if pattern and pattern.search(c.text)), None)
        if first is not None and first.sentence in sentences and not first.before.off:
            out.add(ln.index)
    return frozenset(out)


# pulses and fruit by the spoon are a seasoning
A_SPICE_ML = 20.0


def _role(line: Line, label: str, source: int | None, part: str | None) -> Line:
    """The line's role; `part` is the cook's word on its whole section: beside, after, or (anything else) in the grain's pot."""
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
        size = line.ml or line.g
        return (
            line.with_(role=role, fraction=0.9, ml=size, water=0.9 * size, carrier=False)
            if size
            else line.with_(role="beside")
        )
    if kind is not None and kind.role == "absorber" and line.unit in ("tsp", "tbsp") and (line.ml or 0.0) <= A_SPICE_ML:
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


def _counted(
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


# -- steps -------------------------------------------------------------------------------------------------------


def _told(
    timed: list[minutes.Timed], laid: Structure, text: str, corrections: tuple[Correction, ...]
) -> list[minutes.Timed]:
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
        out.append(minutes.Timed(t.stretch, t.block, told, 1.0) if told else t)
    return out


def _steps(
    text: str,
    laid: Structure,
    lines: Sequence[Line],
    timed: Sequence[minutes.Timed],
    told: Sequence[str],
) -> list[Step]:
    """told: the steps' texts as they were understood; one that is blank tells another way."""
    handles = list(enumerate(ingredients.handles(lines, _told_steps(laid))))
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
        mentions = tuple(i for i, p in handles if p and p.search(piece.text))
        out.append(Step(n, shown, piece.span, piece.section, tuple(durations), mentions, instead))
    return out


def _pots_of_others(lines: Sequence[Line], mine: Line | None, found: Sequence[Clause]) -> frozenset[int]:
    """Vessels in which another of the recipe's raw grains cooks, and not the one to be shifted."""
    raw = {ln.grain for ln in lines if ln.grain and not ln.cooked}
    if mine is None or len(raw) < 2 or mine.grain not in raw:
        return frozenset()
    holds: dict[int, set[str]] = {}
    for c in found:
        holds.setdefault(c.vessel, set()).update(f.slug for f in find_grains(c.text) if not f.generic)
    mine_in = {v for v, slugs in holds.items() if mine.grain in slugs}
    return (
        frozenset(v for v, slugs in holds.items() if slugs & (raw - {mine.grain})) - mine_in if mine_in else frozenset()
    )


def _told_in(
    vessels: frozenset[int], lines: Sequence[Line], found: Sequence[Clause], laid: Structure
) -> frozenset[int]:
    """Lines that stand in the steps alone, in clauses of these vessels, and the grains named in them."""
    if not vessels:
        return frozenset()
    out = set()
    for ln, pattern in zip(lines, ingredients.handles(lines, _told_steps(laid)), strict=True):
        if ln.section.startswith("step "):
            n = int(ln.section.removeprefix("step ")) - 1
            at = ln.span.start - laid.steps[n].span.start
            mine = next((c for c in found if c.block == n and c.start <= at < c.end), None)
        elif ln.grain:
            mine = next(
                (c for c in found if any(f.slug == ln.grain and not f.generic for f in find_grains(c.text))), None
            )
        else:
            mine = next((c for c in found if pattern and pattern.search(c.text)), None) if ln.fraction else None
        if mine is not None and mine.vessel in vessels:
            out.add(ln.index)
    return frozenset(out)


def _told_steps(laid: Structure) -> str:
    return "\n".join(p.text for p in laid.steps)


def _sums(recipe: Recipe) -> Recipe:
    """Minutes at the heat, of rest, of release and of soak, from the kinds of all stretches."""

    def of(kind: str) -> list[float]:
        return [d.typical for st in recipe.steps for d in st.durations if d.kind == kind]

    soak = of("soak")
    inside = recipe.source_line
    if not soak and inside is not None:
        # "rice 3 glasses (old basmati), soak 30 min": on its own line, to the line's end
        end = recipe.text.find("\n", inside.span.end)
        line = recipe.plain[inside.span.start : end if end >= 0 else len(recipe.plain)][:300]
        if m := re.search(r"\bsoak(?:ed)?\b", line, re.I):
            soak = [s.typical for s in stretches(line[m.start() :])][:1]
    counted = sum(of("whistles")) * WHISTLE_MIN
    return recipe.with_(
        # at pressure the whistles' minutes are the grain's as much as those after them
        simmer_min=sum(of("heat")) + counted or None,
        rest_min=sum(of("rest")) if of("rest") else None,
        release_min=sum(of("release")) if of("release") else None,
        whistles=sum(of("whistles")) if of("whistles") else None,
        soak_min=max(soak, default=0.0),
    )


def _heats(timed: Sequence[minutes.Timed], texts: Sequence[str]) -> list[tuple[str, float]]:
    """Each stretch at the grain's heat: its sentence up to it and a little more, and its minutes."""
    out = []
    for t in timed:
        if t.kind == "heat":
            text = texts[t.block]
            begins = max(text.rfind(c, 0, t.stretch.start) for c in ".;!?") + 1
            out.append((text[max(begins, t.stretch.start - 160) : t.stretch.end + 24], t.stretch.typical))
    return out


def _usual(line: Line | None) -> float | None:
    return None if line is None or not line.grain else grain(line.grain).simmer or None


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
