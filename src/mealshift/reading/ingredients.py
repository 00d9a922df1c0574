"""One ingredient line: its amount, unit, name and what kind of thing it is in the pot."""

from __future__ import annotations

import re
import tomllib
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, lru_cache
from importlib import resources
from os.path import commonprefix
from typing import Any

from ..anyof import any_of
from ..grains import grain
from ..measures import (
    NUMBER_PATTERN,
    RANGE_PATTERN,
    UNIT_PATTERN,
    USUAL_TIN,
    Measures,
    canonical_unit,
    make_amount,
    number_range,
    unit_kind,
)
from ..problems import Problem
from ..process import Span
from ..quick import lazy, quick
from ..recipe import Line
from ..results import Role
from ..text.amounts import Item
from ..text.plain import joined
from .instead import own_words
from .names import Found, find_grains, guess_grain, kind_of_rice, name_grain, rice_words
from .otherwise import without_others
from .pot_words import of_another_tongue
from .tongues import Vocabulary, named, prepared
from .words import word_list

COOKED_RICE_DENSITY = 0.70
SMALL_TOMATO_G = 15.0
TOMATO_G = 100.0
# condensed soup, 10½ oz
SOUP_TIN = 300.0
# words that may stand between an amount and a grain's name without being a unit
_DESCRIBES = word_list("describes")


@dataclass(frozen=True, slots=True)
class Kind:
    kind: str
    role: Role = "beside"
    water: float = 0.0
    reaches: float = 1.0
    carrier: bool = False
    joins_after: bool = False
    drinks: float = 0.0
    minutes: float = 0.0


@cache
def tables() -> dict[str, Any]:
    return tomllib.loads(resources.files(__package__).joinpath("data/ingredients.toml").read_text(encoding="utf-8"))


@cache
def _kinds() -> Vocabulary[Kind]:
    by_word = {}
    for raw in tables()["kind"]:
        kind = Kind(**{k: v for k, v in raw.items() if k != "words"})
        by_word.update(dict.fromkeys(raw["words"], kind))
    return Vocabulary(by_word)


@cache
def _any_of(words: tuple[str, ...]) -> re.Pattern[str]:
    return quick(rf"(?<![\w-]){any_of(words)}(?![\w-])", re.I)


_STOCK_OF = lazy(r"\b[^\W\d_]+[ -](?P<s>stock|broth)\b(?![ -](?:cubes?|pots?|powder|granules|tablets?))", re.I)
_UP_TO = lazy(r"(?<=\w) (?:up )?to (?:the|a) (?:\d|[\w-]+ )*(?:line|mark|level|top|rim)\b", re.I)


_WITH_A_CUBE = lazy(
    r"\W*(?P<water>(?:(?:hot|cold|warm|boiling) )?water)\s*(?:\+|&|plus\b|with\b|and\b|mixed with\b)[^,;]{0,30}\b(?:cubes?|bouillon|stock pot)",
    re.I,
)


_ANY_LIQUID = lazy(r"(?:(?:hot|warm|cold|cooking|boiling) )?(?P<liquid>liquid)\b\s*(?:[:,;(–—-]|$|of\b)", re.I)


# what is another word beside others: "en su jugo", "garam masala"
_ALONE = {"su": "water", "suyu": "water", "garam": "salt", "tel": "oil"}


@lru_cache(maxsize=4000)
def kind_of(name: str) -> tuple[Kind | None, str]:
    """The kind of an ingredient and the word it was known by: the longest, and of equals the last, match."""
    # "water up to the 3 line after the coconut milk is in": the first of them is poured
    name = _UP_TO.split(name)[0]
    if m := _ANY_LIQUID.match(name):
        # "liquid: the tomatoes' juice and water", whatever it is
        name = m["liquid"]
    name = _ALONE.get(name.strip().lower(), name)
    if m := _WITH_A_CUBE.match(name):
        # "3 cups water + bouillon cube" are three cups, and no cube
        name = m["water"]
    hits = _kinds().hits(name)
    if not hits:
        return None, ""
    best, kind = max(hits, key=lambda hit: (len(hit[0][0]), hit[0].start()))
    if (stock := _STOCK_OF.search(name)) and stock.start() <= best.start() < stock.end():
        # of whatever it is made: "mushroom broth"
        return kind_of(stock["s"])[0], stock["s"]
    return kind, best[0]


# what has been at a heat of its own before, or keeps without one
_DONE_BEFORE = quick(
    r"\b(?:cooked|left-?overs?|rotisserie|shredded|pulled|roast(?:ed)?|tinned|canned|tins?|cans?|jar|smoked|cured|grilled|barbecued|poached|boiled|dried|powder|pre-?cooked|from the deli)\b",
    re.I,
)


# "2 chicken cubes", where "chicken, in cubes" is meat
_BOUILLON = lazy(
    r"\b(?:chicken|beef|meat|fish|prawn|shrimp|mushroom)\s+(?:stock |bouillon |soup )?(?:cubes?|bouillon|broth|stock|powder|flavou?ring)\b",
    re.I,
)


@lru_cache(maxsize=4000)
def is_food(word: str) -> bool:
    """Do the tables know the word, in any tongue?"""
    return any(p.search(word) for p in (_kinds(), _at_heat()))


def is_foreign(name: str) -> bool:
    """Is a thing that has to be done called by a word of another tongue, and by none of ours?"""
    return _at_heat().is_theirs(name)


_FROZEN = quick(r"\bfrozen\b", re.I)
FROZEN_MIN = 4.0


@cache
def _at_heat() -> Vocabulary[tuple[float, bool]]:
    rows = tables()
    by_word = {w: (float(row["minutes"]), bool(row.get("raw"))) for row in rows["at_heat"] for w in row["words"]}
    # what is made of meat, and is none: the "caldo de pollo" of every tongue
    made_of_it = [w for row in rows["kind"] if row["kind"] in ("stock", "salt", "fat") for w in row["words"]]
    return Vocabulary(dict.fromkeys(made_of_it, (0.0, False)) | by_word)


def heat_wanted(line: Line) -> tuple[float, bool]:
    """(minutes at a simmer from raw until it is done, is it unsafe before): (0, False) for what needs none, or is cooked already. By kitchen practice."""
    # "2 chicken breasts, or leftover roast chicken" are raw
    return _heat_wanted(line.name or line.text, own_words(line.text))


@lru_cache(maxsize=4000)
def _heat_wanted(name: str, text: str) -> tuple[float, bool]:
    hits = _at_heat().hits(name)
    if not hits or _DONE_BEFORE.search(text) or prepared("words").search(text) or _BOUILLON.search(name):
        return 0.0, False
    minutes, raw = max(hits, key=lambda hit: (len(hit[0][0]), hit[0].start()))[1]
    # frozen vegetables were blanched, and are cut small
    frozen = _FROZEN.search(text) or prepared("fresh").search(text)
    return (minutes, raw) if raw or not frozen else (min(minutes, FROZEN_MIN), raw)


_STILL_DRY = lazy(r"\bun(?:cooked|drained)\b|\bdr(?:y|ied)\b", re.I)


@lru_cache(maxsize=4000)
def is_drained(text: str) -> bool:
    """Is it told as cooked, drained, or fresh, so that it neither drinks nor takes its minutes?"""
    told = any(p.search(text) for p in (_drained(), prepared("words"), prepared("fresh")))
    return told and not (_STILL_DRY.search(text) or prepared("dry").search(text))


@cache
def _drained() -> re.Pattern[str]:
    return _any_of(tuple(tables()["drained"]["words"]))


def lines_of_item(item: Item, text: str, at: int, index: int, section: str, problems: list[Problem]) -> Line:
    """An item of the amount grammar as a Line of the recipe. text: the recipe's text; at: where the text of the item's places begins."""
    start, end = at + item.start, at + item.end
    ml, g, low, high = item.ml, item.g, item.low, item.high
    said = joined(text[start:end])
    if low is not None and low < 0:
        problems.append(
            Problem("amount", said, "An amount below zero cannot be measured; write how much goes in.", "stop")
        )
        low = high = ml = g = None

    def own(span: tuple[int, int] | None) -> Span | None:
        return None if span is None else Span(span[0] - item.start, span[1] - item.start)

    line = Line(
        index,
        said,
        Span(start, end),
        section,
        quantity=None if low is None or high is None else round((low + high) / 2, 4),
        unit=item.unit,
        name=item.name,
        quantity_range=None if low is None or high is None or low == high else (low, high),
        ml=ml,
        g=g,
        name_span=own(item.name_span),
        amount_span=own(item.amount_span),
    )
    return sized(_as_kind(line, problems), problems)


# "water - double the rice", "water: twice as much as rice", "1½ times the volume of the rice in stock"
BY_THE_RICE = lazy(
    rf"(?:about |abt )?(?P<times>double|twice|same as|equal to|(?:{NUMBER_PATTERN})\s*(?:times|x))\s+(?:as much as |the (?:amount|quantity|volume|weight) of |that of |of )?(?:the |your )?(?:rice|grain)\b(?:'s (?:own )?(?:volume|weight))?(?: (?:in|of|as)(?= (?:[a-z]+ ){{0,2}}(?:water|stock|broth)\b))?",
    re.I,
)
# "2 stock cubes dissolved in 600 ml boiling water", "stock cube + 1 litre water"
_IN_ITS_WATER = lazy(
    rf"\b(?:cubes?|bouillon|stock pots?|granules|powder)\b(?:,(?= (?:dissolved|crumbled|mixed|stirred|made)\b))?[^,;\d]{{0,30}}(?:\b(?:in|into|with|to|for|and|plus)|\+|&)\s*(?:about |abt )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s+(?:of )?(?:(?:just[- ])?(?:boiled|boiling|hot|warm|cold|kettle|freshly) )*water\b",
    re.I,
)
# "1 litre stock (you will use about 600 ml)", "1 litre stock, of which 600 ml for the rice"
_USED_OF_IT = lazy(
    rf"(?:\byou(?:'ll| will| may| might| should)? (?:probably |only |just |actually )*(?:use|need)|\bof which(?= [^,;()]{{2,20}} for (?:the|this) (?:rice|grain|pot))|\bi (?:only )?used?|\bwe only (?:use|need)|(?<=[(,] )only)\s+(?:(?:only|just|about|abt|roughly|around|some) )*(?P<n>{RANGE_PATTERN})\s*(?P<u>{UNIT_PATTERN})\b(?! (?:more|extra|less|(?:of )?(?:the |hot |cold )?(?:water|stock|broth|milk|wine|white|red|passata|tomato)\b|for (?!the (?:rice|grain|pot)\b|this\b|it\b)|if|in (?:an?|the) (?:pressure|rice|slow|electric)|of (?:the |it ?(?:for|to)))|\.? more)",
    re.I,
)


def _as_kind(line: Line, problems: list[Problem]) -> Line:
    # "2 cups water, or 2½ cups for old rice" is water
    told = own_words(line.text)
    found = name_grain(without_others(told))
    if found and _MEANT_FOR.search(line.name, 0, line.name.find(found.text)):
        found = None
    kind, _ = kind_of(line.name or told)
    if kind is not None and kind.carrier and BY_THE_RICE.match(told):
        # "twice the rice in stock"
        found = None
    if kind is not None and kind.kind == "salt" and line.ml and _IN_ITS_WATER.search(told):
        kind, line = kind_of("stock")[0], line.with_(name="stock", name_span=None)
    if found is None and kind is None and line.quantity is not None and (m := GRAIN_ALONE.search(told)):
        # "300 g Japanese short grain": what else is called so
        slug = kind_of_rice(f"{m[0]} rice") or "rice-white-long"
        found = Found(slug, Span(m.start(), m.end()), m[0], False)
    if (
        found is None
        and kind is None
        and line.quantity is not None
        and (guess := guess_grain(line.name))
        and not _a_food(guess.text)
    ):
        offset = line.name_span.start if line.name_span else 0
        found = Found(guess.slug, Span(guess.span.start + offset, guess.span.end + offset), guess.text, False)
        problems.append(
            Problem(
                "guessed_grain",
                line.text,
                f"I read “{guess.text}” as {grain(guess.slug).name}; touch the line if it is another.",
            )
        )
    # the thing itself stands first: "stock for the rice" is stock, "rice in stock" is rice
    if found and (kind is None or not _is_other(line, found, kind)):
        boiled = COOKED_IN.search(told)
        # "3 cups cooked rice, or 1 cup raw cooked in 2 cups stock": the first is measured cooked
        first = (
            boiled
            and not _COOKED_WORDS.search(told, 0, boiled.start())
            or (is_cooked(told) and (_so_much_cooked(told) or _RAW_THEN_COOKED.match(told)))
        )
        if first and (dry := line.g or (line.ml or 0.0) * grain(found.slug).density):
            # "1 cup rice, cooked in 2 cups water": the cup is of dry grain
            own = grain(found.slug)
            low, high = own.texture_range()
            line = line.with_(ml=None, g=dry * (1 + own.hydration_at(min(max(1.0, low), high))))
        return line.with_(
            grain=found.slug,
            name_span=found.span,
            name=found.text,
            role="beside",
            kind="generic rice" if found.generic else "grain",
            cooked=is_cooked(told),
        )
    if kind is None and (line.ml is not None or line.g is not None) and (meant := _misspelt(line.name)):
        kind = kind_of(meant)[0]
        problems.append(
            Problem("guessed_word", line.text, f"I read “{line.name}” as {meant}; touch the line if it is not.")
        )
    if kind is None:
        return line
    if kind.carrier and (used := _USED_OF_IT.search(told)):
        line = _of_which(line, used)
    role = kind.role
    fraction = kind.water * kind.reaches
    drinks, minutes = kind.drinks, kind.minutes
    if role == "absorber" and is_drained(told):
        drinks = minutes = 0.0
        role = "beside"
    elif role == "absorber" and re.search(r"\bsoaked\b", told, re.I):
        drinks, minutes = drinks / 2, minutes * 2 / 3
    return line.with_(
        role=role, kind=kind.kind, fraction=fraction, drinks=drinks, minutes=minutes, carrier=kind.carrier
    )


def liquid(
    index: int,
    text: str,
    start: int,
    section: str,
    name: str,
    kind: Kind,
    ml: float,
    amount: Span,
    quantity: float | None = None,
    unit: str = "ml",
) -> Line:
    """The line of a liquid that the list does not hold so: `text` at `start` of the brought text, of which `amount` tells how much. quantity: in its unit;
    None: its millilitres."""
    return Line(
        index,
        text,
        Span(start, start + len(text)),
        section,
        ml if quantity is None else quantity,
        None,
        unit,
        name,
        None,
        amount,
        kind.role,
        kind.kind,
        ml,
        ml,
        ml * kind.water,
        kind.water,
        carrier=kind.carrier,
    )


@lru_cache(maxsize=4096)
def used_of_it(text: str) -> tuple[int, int] | None:
    """Where a line says how much of its liquid is poured, with its bracket or the comma before it."""
    m = _USED_OF_IT.search(text)
    if m is None or unit_kind(canonical_unit(m["u"]) or "") not in ("volume", "cup", "measure", "vessel"):
        # "2 cups water (I use 1 cube)"
        return None
    a, b = m.span()
    if (opened := text.rfind("(", 0, a)) > text.rfind(")", 0, a) and (shut := text.find(")", b)) >= 0:
        return len(text[:opened].rstrip()), shut + 1
    rest = _THEN_FOR_IT.match(text, b)
    return len(text[:a].rstrip(" ,;–—-")), rest.end() if rest else b


_THEN_FOR_IT = lazy(r"\s+for (?:the|this) (?:rice|grain|pot)\b|\s+of (?:it|this)\b", re.I)


def _of_which(line: Line, used: re.Match[str]) -> Line:
    """The line of a liquid that is made ready and not all poured, with what is poured of it."""
    try:
        amount = make_amount(*number_range(used["n"]), canonical_unit(used["u"]) or "", Measures())
    except ValueError:
        return line
    if not amount.ml or not line.ml or amount.ml >= line.ml:
        return line
    return line.with_(ml=amount.ml, g=None)


# "mixed pickled vegetables for rice", "seasoning for the rice": another thing than what it goes with
_MEANT_FOR = lazy(r"^[^\W\d_]{3,}\b.*\bfor\s+(?:the |your |our )?$", re.I)


def _a_food(name: str) -> bool:
    """Is it spelt right, and another thing: "white onion", which is like "white fonio"?"""
    return name.split()[-1].lower().removesuffix("s") in foods()


GRAIN_ALONE = quick(
    r"\b(?:(?:white|brown|japanese|sushi|spanish|italian|egyptian|american)\s+)*(?:long|short|medium|round)[- ]grain(?:ed)?(?=\s*(?:$|[,(]))"
    # "3 cups sella (soak 45 min)", "2 cups long brown"
    r"|(?<=\s)(?:sella|egyptian|calrose|parboiled|converted|(?:long|short|medium) (?:brown|white)|(?:brown|white) (?:long|short|medium)|easy[- ]cook(?:ing)?)(?=\s*(?:$|[,(]))",
    re.I,
)
_POURED_MEANT = ("water", "stock", "broth", "milk", "coconut milk", "tomatoes", "tomato sauce", "passata", "cream")


def _misspelt(name: str) -> str | None:
    """The liquid that a misspelt name of one or two words means ("watter", "chiken stok" is too far); None if it is like none."""
    from rapidfuzz import fuzz, process

    if not 4 <= len(name) <= 16 or len(name.split()) > 2:
        return None
    hit = process.extractOne(name.lower(), _POURED_MEANT, scorer=fuzz.ratio, score_cutoff=_CLOSE_WORD)
    return hit[0] if hit else None


# of 100; "batter" is no water
_CLOSE_WORD = 88


def _is_other(line: Line, found: Found, kind: Kind) -> bool:
    """Does the line name another thing first, and the grain only beside it?"""
    start = line.name_span.start if line.name_span else 0
    if found.span.start <= start + 1:
        return False
    hit = kind_of(line.name or line.text)[1]
    at = line.text.lower().find(hit.lower()) if hit else -1
    return 0 <= at < found.span.start and not re.search(r"\bor\b", line.text[at : found.span.start])


_UNCOOKED = quick(
    r"\b(?:uncooked|un-cooked|raw|dry|easy[- ]?cook\w*|quick[- ]?cook\w*|pre-?cooked|par-?cooked|not cooked|before cooking)\b",
    re.I,
)
_COOKED_WORDS = quick(
    r"\b(?:cooked|leftover|left-over|left over|day[- ]old|yesterday'?s?|last night'?s?|from the (?:day|night) before|already cooked|boiled,? (?:drained|and|cooled)|steamed|ready[- ]cooked|cocid[oa]|cotto|cuite?|gekochte[rns]?|cozid[oa]|pişmiş|matang|nasi putih|nasi dingin|ugotowan\w+|kogte?|kokta?|gekookte?|lutong?|ready[- ]to[- ](?:eat|heat|serve)|microwav(?:e|able)(?= (?:[\w-]+ ){0,3}(?:rice|pouch|packets?|grains?|quinoa))|pouch(?:es)?|cold(?=,? (?:cooked|rice|risotto|plain|from)))\b",
    re.I,
)


# "1 cup long grain rice, cooked in 2 cups water for 20 minutes": boiled beforehand, and measured before that
COOKED_IN = lazy(
    rf",?\s*\b(?:cooked|boiled|simmered)\s+in\s+(?:about )?{RANGE_PATTERN}\s*[^\W\d_]+\.?\s+(?:of )?(?:[a-z]+ )?(?:water|stock|broth)\b(?:[^,;()\d]{{0,20}}\b{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?))?",
    re.I,
)
# "200 g raw rice, cooked and cooled"
_RAW_THEN_COOKED = lazy(
    rf"\W*(?:about )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s+(?:of )?(?:raw|dry)\b[^()\d]{{0,40}}?,?\s(?:cooked|boiled|steamed)\b",
    re.I,
)
# "(makes about 3 cups cooked)", "to yield 3 cups cooked rice": what it comes to, not what it is
_COMES_TO = quick(
    r"\b(?:makes?|yields?|gives?|becomes?|to get)\s+(?:you\s+)?(?:about |approx\.? |around |roughly |~)?[\d¼½¾⅓⅔./ –-]{1,12}\s*(?:[a-z]+\.? ){0,2}(?:when |once )?cooked\b",
    re.I,
)


_SO_MUCH_COOKED = lazy(
    rf"(?P<dry>{RANGE_PATTERN})\s*(?P<u>[^\W\d_]+?)s?\b[^()]{{0,80}}(?P<of>\([^()\d]*?(?P<n>{RANGE_PATTERN})\s*(?P=u)s? (?:when |once |of )?cooked\b)",
    re.I,
)
# of as much dry grain so much comes at least
SWELLS = 1.8


def _so_much_cooked(text: str) -> bool:
    """ "1 cup (cooked & cooled, about 3 cups cooked)": is the first of the dry grain?"""
    m = _SO_MUCH_COOKED.search(text)
    return m is not None and number_range(m["n"])[0] >= SWELLS * (number_range(m["dry"])[0] or 1.0)


def is_cooked(text: str) -> bool:
    """Is the grain of this line cooked already? "450 g cooked rice (about 180 g uncooked)" is; "easy-cook rice" is not."""
    text = _COMES_TO.sub(" ", text)
    outside = re.sub(r"\([^)]*\)", " ", text)
    if _COOKED_WORDS.search(outside):
        return not re.search(r"\buncooked\b", outside, re.I)
    return bool(_COOKED_WORDS.search(text)) and not _UNCOOKED.search(text)


# a volume and a weight that differ by more than this from the grain's density are not both right
UNLIKELY = 1.6
# … and of a vessel that only a guess says what it holds, this is enough for the scale to be right
HOLDS = 1.12


def sized(line: Line, problems: list[Problem]) -> Line:
    """Fills ml and g from each other where the kind allows it, and the water and drink they come to."""
    ml, g = line.ml, line.g
    if line.grain:
        density = COOKED_RICE_DENSITY if line.cooked else grain(line.grain).density
        if line.unit in ("tin", "packet") and ml is None and g is None:
            return line
        if ml and g and unit_kind(line.unit) in ("vessel", "measure") and not 1 / HOLDS <= g / ml / density <= HOLDS:
            # "4 derica (3.6 kg)", "3 derica (750 g)": what such a tin holds is only taken for granted, what it weighs is said
            ml = None
        ml = ml if ml is not None else g / density if g is not None else None
        g = g if g is not None else ml * density if ml is not None else None
        if ml and g and line.quantity and line.quantity > 1.2 and not line.cooked and unit_kind(line.unit) == "cup":
            # "2 cups (200 g) rice": no grain is so light, so the grams are one cup's
            light, heavy = 0.65 * density, 1.3 * density
            if g / ml < light <= g * line.quantity / ml <= heavy:
                g *= line.quantity
        return line.with_(ml=ml, g=g)
    if line.fraction:
        if line.kind == "tomato" and ml is None and g is None and line.quantity:
            small = re.search(r"\b(?:cherry|grape|baby)\b", line.text, re.I)
            each = USUAL_TIN if line.unit == "tin" else SMALL_TOMATO_G if small else TOMATO_G
            what = "a tin of tomatoes as 400 g" if line.unit == "tin" else "a tomato as 100 g"
            g = line.quantity * each
            problems.append(
                Problem("assumed_size", line.text, f"I took {what}; write the weight beside it if it is not.", "note")
            )
        elif line.unit == "tin" and ml is None and g is None and line.quantity:
            each = SOUP_TIN if line.kind == "condensed soup" else USUAL_TIN
            ml = line.quantity * each
            problems.append(
                Problem(
                    "assumed_size",
                    line.text,
                    f"I took a tin as {each:.0f} ml; write what is on the label if it is not.",
                    "note",
                )
            )
        size = ml if ml is not None else g
        if size is None:
            return line
        return line.with_(ml=ml if ml is not None else size, g=g if g is not None else size, water=size * line.fraction)
    if line.drinks:
        grams = g if g is not None else ml * 0.8 if ml is not None else 0.0
        return line.with_(g=g if g is not None else grams or None, drinks=grams * line.drinks)
    return line


def unknown_unit(line: Line) -> str | None:
    """The word between the amount and the grain's name that should have been a unit, or None."""
    if line.quantity is None or line.unit or not line.name_span or not line.amount_span:
        return None
    between = re.sub(r"\([^)]*\)", " ", line.text[line.amount_span.end : line.name_span.start])
    for word in re.findall(r"[^\W\d_]+(?:-[^\W\d_]+)*", between):
        if word.lower() not in _DESCRIBES:
            return str(word)
    return None


# how alike a misspelt unit is to the one that is meant, of 100
UNIT_ALIKE = 74


def nearest_unit(word: str) -> str | None:
    """The cup, glass or spoon that a misspelt word most likely means ("cusp", "tblspon"); None if it is like none."""
    from rapidfuzz import fuzz, process

    if not 3 <= len(word) <= 14:
        return None
    hit = process.extractOne(word.lower(), _UNITS_MEANT, scorer=fuzz.ratio, score_cutoff=UNIT_ALIKE)
    return canonical_unit(hit[0]) if hit else None


_UNITS_MEANT = (
    "cup",
    "cups",
    "tablespoon",
    "tablespoons",
    "teaspoon",
    "teaspoons",
    "glass",
    "glasses",
    "grams",
    "pound",
    "pounds",
    "ounces",
    "litre",
    "litres",
)


def dull() -> frozenset[str]:
    """Words that do not tell which ingredient is meant."""
    return word_list("dull")


# what is measured by the spoon is ground: nobody heaps bark
_BY_THE_SPOON = lazy(
    r"\b(?:tsps?|teaspoons?|tbsps?|tablespoons?|pinch(?: of)?)\.?\s+(?:of )?(?:cinnamon|cassia|mace|nutmeg|cardamom|cardamon)\s*(?:$|[,;(&+/]|and\b)"
    r"|(?:1/8|1/4|1/2|[⅛¼½])\s*(?:tsp|teaspoon)s?\.?\s+(?:of )?(?:cloves?|allspice)\s*(?:$|[,;(&+/]|and\b)",
    re.I,
)


def never_counted(text: str) -> bool:
    not_with = _any_of(tuple(tables()["count_out"]["not_with"]))
    return any(p.search(text) for p in (not_with, prepared("ground"), _BY_THE_SPOON))


@cache
def _synonyms() -> tuple[tuple[re.Pattern[str], str], ...]:
    return tuple((_any_of(tuple(words)), name) for name, words in tables()["also_called"].items())


def in_our_words(text: str) -> str:
    """The text with our word for a whole spice beside the recipe's: "2 laung" → "2 laung (cloves)".

    >>> in_our_words("2 laung"), in_our_words("1 bay leaf")
    ('2 laung (cloves)', '1 bay leaf')
    """
    ours = [name for pattern, name in _synonyms() if pattern.search(text) and name.lower() not in text.lower()]
    return f"{text} ({', '.join(ours)})" if ours else text


def count_out(texts: list[str]) -> tuple[str, ...]:
    """Whole spices and the like, as written, to be counted in and counted out."""
    return tuple(t for t in texts if is_whole(t))


@lru_cache(maxsize=4000)
def is_whole(text: str) -> bool:
    """Does a line name a whole spice, to be counted in and out?"""
    return _whole().search(text) is not None and not never_counted(text)


@cache
def _whole() -> Vocabulary[str]:
    return Vocabulary({w: w for w in tables()["count_out"]["words"]})


def allergens(texts: list[str]) -> tuple[str, ...]:
    """Allergens named in these ingredient lines, each once."""
    found = [name for name, holds, harmless in _allergens() if any(holds.search(harmless.sub(" ", t)) for t in texts)]
    for t in texts:
        for f in find_grains(t):
            if grain(f.slug).gluten and "gluten" not in found:
                found.append("gluten")
    return tuple(found)


@cache
def _allergens() -> tuple[tuple[str, Vocabulary[str], Vocabulary[str]], ...]:
    """Of each its name, its words, and what holds one of them and not the thing: buckwheat is no wheat, oyster mushrooms are none from the sea."""
    harmless = tables()["not_allergens"]
    return tuple(
        (name, named(*words), named(*harmless.get(name, ["\0"]))) for name, words in tables()["allergens"].items()
    )


_TAIL_WORDS = (
    "leaves",
    "leaf",
    "pods",
    "pod",
    "seeds",
    "sticks",
    "stick",
    "cloves",
    "clove",
    "powder",
    "strands",
    "florets",
    "threads",
    "cubes",
    "cube",
    "breasts",
    "breast",
    "fillets",
    "fillet",
    "stalks",
    "paste",
)


@cache
def foods() -> frozenset[str]:
    """What hands of the corpus name, and what a dictionary calls food (scripts/food_words.py)."""
    models = resources.files(__package__).joinpath("models")
    names = [
        n for f in ("foods.txt", "foods_wide.txt") for n in models.joinpath(f).read_text(encoding="utf-8").split("\n")
    ]
    beside = (n.replace("_", " ") for n in word_list("eaten_with"))
    return frozenset(n for n in (*names, *beside) if n and n not in word_list("no_food"))


def handles(lines: Sequence[Line], told: str) -> list[re.Pattern[str] | None]:
    """For each line the words by which the steps speak of it. told: their text.

    "boneless chicken thighs" are "the chicken" where no thigh is named: another of a line's words does, if it is a food and no other line has it.
    """
    out: list[re.Pattern[str] | None] = []
    stems: list[set[str]] = [set() if ln.carrier else {stem(w) for w in _words(ln.name)} for ln in lines]
    how_often = Counter(s for mine in stems for s in mine)
    low = told.lower()
    for ln, own in zip(lines, stems, strict=True):
        first = handle(ln)
        if first is not None and not ln.grain and not first.search(told):
            others = {s for s, times in how_often.items() if times > (s in own)}
            # "Pyaz (Onion)": what a bracket calls it in the steps' tongue
            aside = " ".join(_BRACKETED.findall(ln.text))
            mine = [w for w in _words(ln.name) if stem(w) not in others and (len(w) > 3 or {w, f"{w}s"} & foods())]
            mine += [
                w
                for w in _words(aside)
                if stem(w) not in others and {w, w.removesuffix("s"), w.removesuffix("es")} & foods()
            ]
            # a food's own word first
            known = [w for w in mine if w in _TAIL_WORDS or w in foods() or re.sub(r"(?<=[^s])s$", "", w) in foods()]
            for word in [*reversed(known), *reversed([w for w in mine if w not in known])]:
                # no pattern is made of what the steps do not hold
                if stem(word) in low and (other := _no_product(stem(word))).search(told):
                    first = other
                    break
            else:
                # "Gemüsebrühe", and "die Brühe angießen"; "mjölk", and "tillsätt mjölken"
                part = _part_of(mine, low, how_often) if of_another_tongue(told) else None
                first = _of_stems((part,)) if part else first
        out.append(first)
    # "800 g pork shoulder", and "brown the meat"; "Schweineschulter" and "das Fleisch"
    meats = [
        k for k, ln in enumerate(lines) if not ln.grain and heat_wanted(ln)[1] and heat_wanted(ln)[0] >= LEAST_OF_MEAT
    ]
    if len(meats) == 1 and (p := out[meats[0]]) is not None and not p.search(told) and _MEAT.search(told):
        out[meats[0]] = _MEAT
    # "chicken broth", and "pour in the stock"
    unsaid = [k for k, ln in enumerate(lines) if ln.carrier and (p := out[k]) is not None and not p.search(told)]
    called = _STOCK_WORDS.search(told)
    theirs = called is not None and any(p.search(called[0]) for p in out if p is not None)
    if called and not theirs and len(unsaid) == 1 and lines[unsaid[0]].kind == "stock":
        out[unsaid[0]] = _STOCK_WORDS
    return out


def _part_of(words: Sequence[str], told: str, taken: Mapping[str, int]) -> str | None:
    """Of words that other tongues write as one, the part by which the steps call the thing; what another line is called by is none."""
    said = {w for w in re.findall(r"[^\W\d_]+", told) if stem(w) not in taken}
    # "ui", "kip", "Öl" are whole words
    spoken = {w for w in said if len(w) > 3 or (len(w) > 1 and is_food(w))}
    bent = [w for w in spoken for whole in words if _is_bent(w, whole)]
    if bent:
        return str(max(bent, key=lambda w: (len(w), w)))
    # "de kip" of "kippendijen", "kycklingen" of "kycklinglår"
    parts = [w for w in spoken for whole in words if _begins(whole, w)]
    # "buljongen" of "grönsaksbuljong"
    tails = [w for w in spoken for whole in words if _ends(whole, w)]
    found = tails or parts
    return str(max(found, key=lambda w: (len(w), w))) if found else None


def _begins(whole: str, word: str) -> bool:
    """Does a compound begin with the word, whatever case it stands in?"""
    same = len(commonprefix((word, whole)))
    if same == len(word):
        return len(whole) > same + 2
    if same >= SAME_ROOT and is_food(word):
        return len(word) <= same + MOST_BENT
    # "laxen" of "laxfilé"
    return same > 2 and len(word) <= same + MOST_BENT and is_food(word[:same]) and len(whole) > same + 2


def _ends(whole: str, word: str) -> bool:
    """Does a compound end with the word, whatever case it stands in?"""
    bare = [word[: len(word) - n] for n in range(MOST_BENT + 1)]
    return any(
        whole.endswith(w)
        and len(whole) > len(w) + 2
        and (w == word or len(w) > SAME_ROOT or len(w) == SAME_ROOT and is_food(w))
        for w in bare
    )


# letters that a word has in common with itself in another case, and at most so many behind them
SAME_ROOT, MOST_BENT = 4, 2


def _is_bent(word: str, whole: str) -> bool:
    """Is it one word in two cases: "mjölk" and "mjölken", "bulionu" and "bulionem", "cebula" and "cebulę"?"""
    same = len(commonprefix((word, whole)))
    return same >= SAME_ROOT and max(len(word), len(whole)) <= same + MOST_BENT


# what is done sooner is fish
LEAST_OF_MEAT = 10.0
_MEAT = re.compile(
    r"(?<![\w-])(?:meat|fleisch|viande|carne|vlees|kött(?:et)?|kød(?:et)?|kjøtt(?:et)?|mięs(?:o|a|em)|eti|etleri|daging)(?![\w-])(?! (?:broth|stock|picada|molida|macinata|tritata))",
    re.I,
)
_STOCK_WORDS = re.compile(
    r"\b(?:stock|broth|bouillon|cooking liquid|hot liquid|the liquid)\b(?! (?:cubes?|powder|pots?))", re.I
)
_BRACKETED = lazy(r"\(([^()\d]{3,40})\)")
# "chicken broth" is no chicken
_ITS_PRODUCT = r"(?!\s+(?:broth|stock|bouillon|cubes?|powder|soup|oil|vinegar|sauce|paste|juice|milk)\b)"


def _words(name: str) -> list[str]:
    words = re.findall(r"[^\W\d_]+", name.lower())
    # "Öl", "Ei" have two letters
    found = [w for w in words if len(w) > 2] or words[:1]
    return [w for w in found if w not in dull()] or found


@lru_cache(maxsize=4000)
def _of_stems(stems: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile(r"(?<![\w-])(?:" + "|".join(re.escape(s) for s in stems) + r")(?:s|es|ies|ves|y)?(?![\w-])", re.I)


@lru_cache(maxsize=4000)
def _no_product(of: str) -> re.Pattern[str]:
    return re.compile(_of_stems((of,)).pattern + _ITS_PRODUCT, re.I)


def handle(line: Line) -> re.Pattern[str] | None:
    """The words by which the steps are likely to speak of this line: its last telling word, singular or plural."""
    return _handle(line.grain, line.name)


@lru_cache(maxsize=4000)
def _handle(slug: str | None, name: str) -> re.Pattern[str] | None:
    if slug:
        return _handle_of_grain(slug)
    # "broth of chicken" is a broth
    words_ = _words(_PRODUCT_OF.sub(r"\1", name))
    if not words_:
        return None
    stems = [stem(words_[-1])]
    if len(words_) > 1 and words_[-1] in _TAIL_WORDS:
        stems = [stem(words_[-2])]
    return _of_stems(tuple(stems))


@cache
def _handle_of_grain(slug: str) -> re.Pattern[str]:
    g = grain(slug)
    words = {"rice", "grain", "grains", "grits", g.short, g.name, *g.aliases}
    if g.family == "rice":
        words |= rice_words()
    return re.compile(rf"(?<![\w-]){any_of(words)}(?![\w-])(?!\s+(?:vinegar|wine|cooker|flour|paper|noodles?))", re.I)


_PRODUCT_OF = lazy(r"\b((?:broth|stock|bouillon|juice|milk|oil|paste|soup))s? of (?:the )?[^\W\d_]+.*", re.I)


def stem(word: str) -> str:
    """What one and many of a thing have in common: "cherry", "cherries" → "cherr"."""
    for end in ("oes", "ies"):
        if word.endswith(end):
            return word[:-2] if end == "oes" else word[:-3]
    return (
        word[:-1]
        if word.endswith("s") and not word.endswith("ss")
        else word.removesuffix("y")
        if len(word) > 5
        else word
    )
