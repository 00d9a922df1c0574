"""Edits in the recipe's own text: what changes is replaced in place and remembered as a mark."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from ..measures import (
    OUNCE_G,
    POUND_G,
    QUARTERS_WITHIN,
    RANGE_PATTERN,
    Measures,
    as_one,
    canonical_unit,
    in_vessels,
    jug_ml,
    number_range,
    round_half_up,
    said_fraction,
    unit_kind,
    unit_size,
)
from ..quick import lazy, quick
from ..recipe import Line
from ..text.amounts import HALF_ABROAD, QUARTER_ABROAD


@dataclass(frozen=True, slots=True)
class Edit:
    """Replace characters start … end of the old text by `new` (start == end inserts)."""

    start: int
    end: int
    new: str


@dataclass(frozen=True, slots=True)
class Edited:
    """The new text, the stretches of it that changed, and what stood at each before."""

    text: str
    marks: tuple[tuple[int, int], ...]
    olds: tuple[str, ...] = ()


def apply(text: str, edits: list[Edit]) -> Edited:
    """The edits must not overlap; an edit that changes nothing leaves no mark."""
    if not edits:
        return Edited(text, ())
    out, marks, olds, at = "", [], [], 0
    for e in _applied(text, edits):
        out += text[at : e.start]
        if e.new:
            marks.append((len(out), len(out) + len(e.new)))
            olds.append(text[e.start : e.end])
        out += e.new
        at = e.end
    return Edited(out + text[at:], tuple(marks), tuple(olds))


def _applied(text: str, edits: list[Edit]) -> list[Edit]:
    """In order, without those that overlap an earlier one or change nothing."""
    out: list[Edit] = []
    starts = {e.start for e in edits}
    # where the next one begins at the stop, that is its
    whole = (e if e.end in starts else _with_its_stop(text, e) for e in edits)
    for e in sorted(whole, key=lambda e: (e.start, e.end)):
        if (not out or e.start >= out[-1].end) and text[e.start : e.end] != e.new:
            out.append(e)
    return out


# "1 hr. at 350", "2/3 c. water"
_STOPPED = lazy(r"\.(?=\s+[a-z(])")
_SHORT_UNIT = lazy(r"(?:^|[\s\d½¼¾⅓⅔])(?:hrs?|mins?|c|oz|lbs?|pts?|qts?|tsps?|tbsps?)$", re.I)
_UNIT_IN_FULL = lazy(r"\b(?:minutes?|hours?|ml|g|l|cups?)$")


def _with_its_stop(text: str, e: Edit) -> Edit:
    """Where a unit with a stop becomes one without: "bake 1 hr. at 350" is "bake 56 minutes at 350"."""
    short = _STOPPED.match(text, e.end) and _SHORT_UNIT.search(text, e.start, e.end) and _UNIT_IN_FULL.search(e.new)
    return replace(e, end=e.end + 1) if short else e


def moved(text: str, edits: list[Edit], start: int, end: int) -> tuple[int, int]:
    """Where characters start … end of the old text stand in the new one. What is put in right before or behind them is not of them; of an edit that reaches
    over their border, only what they share with it is (a first letter that became a capital)."""
    return _moved(text, edits, start, True), _moved(text, edits, end, False)


def _moved(text: str, edits: list[Edit], at: int, begins: bool) -> int:
    shift = 0
    for e in _applied(text, edits) if edits else ():
        if e.end < at or (e.end == at and (begins or e.start < e.end)):
            shift += len(e.new) - (e.end - e.start)
        elif e.start < at < e.end:
            tail = e.end - at
            shared = e.new[-tail:].lower() == text[at : e.end].lower()
            new_start = e.start + shift
            return new_start + len(e.new) - tail if begins and shared else new_start + (len(e.new) if begins else 0)
        else:
            break
    return at + shift


def said_grain(ml: float, g: float, unit: str, measures: Measures, was: str = "") -> str:
    """A grain's amount in the unit the line was written in, or in grams where that unit has no plain word for it."""
    own = in_manner(unit, measures, "g")
    was, unit = (was, unit) if own == unit else ("", own)
    kind = unit_kind(unit)
    if kind == "mass":
        if unit in ("oz", "lb"):
            said = said_fraction(g / (OUNCE_G if unit == "oz" else POUND_G))
            return f"{said} {unit}" if said else f"{round_half_up(g)} g"
        return (
            f"{g / 1000:.2f}".rstrip("0").rstrip(".") + " kg"
            if unit == "kg" and round_half_up(g) >= 1000
            else f"{round_half_up(g)} g"
        )
    size, _ = unit_size(unit, measures)
    if size and kind in ("cup", "measure", "vessel") or unit in ("tbsp", "tsp", COOKER_CUP):
        said = said_fraction(ml / (size or 1))
        if said:
            return f"{said} {plural(unit, ml / (size or 1), was)}"
        return f"{round_half_up(g)} g"
    return f"{round_half_up(ml)} ml"


def said_liquid(ml: float, unit: str, measures: Measures, was: str = "") -> str:
    """A liquid's amount in the unit it was written in: quarters of a vessel, else millilitres as a jug shows them. Where that is the
    amount that stood there, its own words: "2 1/2 cups" is not changed to "2½ cups"."""
    own = in_manner(unit, measures, "ml")
    if own != unit:
        return _in_unit(ml, own, measures, "")
    said = _in_unit(ml, unit, measures, was)
    said = was if was and _same_words(said, was) else said
    if measures.amounts == "both" and unit_kind(unit) == "cup" and not said.endswith("ml"):
        # both at once, each from the pour itself: the one is not reckoned from the other's rounding
        return f"{said} ({jug_ml(ml)} ml)"
    return said


def in_manner(unit: str, measures: Measures, metric: str) -> str:
    """The unit to say an amount in: the recipe's, unless the household has its own way (manner.py); its own glass and the spoons are everybody's."""
    kind = unit_kind(unit)
    if unit in ("tbsp", "tsp") or kind not in ("volume", "mass", "cup"):
        return unit
    if measures.amounts == "metric" and (kind == "cup" or unit in ("oz", "lb", "pint", "quart", "gallon", "fl oz")):
        return metric
    if measures.amounts == "cups" and unit in ("ml", "cl", "dl", "l", "g", "kg", "pint", "quart", "gallon"):
        return "cup"
    return unit


_ABOUT = lazy(r"^\s*(?:about|abt|around|approx\.?|roughly|~|≈|ca\.?)\s*", re.I)
_BESIDE_UNIT = lazy(r"(\d)([^\W\d_])")
# "a mug and a half"
_AND_A_HALF = lazy(rf"\s+(?:and (?:an? |one )?(?:half|quarter|third)|{HALF_ABROAD}|{QUARTER_ABROAD})\W*$", re.I)
_GLYPHS = str.maketrans({"½": " 1/2", "¼": " 1/4", "¾": " 3/4", "⅓": " 1/3", "⅔": " 2/3"})


def _same_words(one: str, other: str) -> bool:
    """The same amount, said or written otherwise; "about" is nothing that a new amount would take away."""
    plain = [_ABOUT.sub("", x).translate(_GLYPHS).lower().split() for x in (one, other)]
    # "2c" is "2 c" written otherwise, "1 1/2" no eleven halves
    return plain[0] == plain[1] or (_BESIDE_UNIT.sub(r"\1 \2", " ".join(plain[0])) == " ".join(plain[1]))


def _in_unit(ml: float, unit: str, measures: Measures, was: str) -> str:
    size, _ = unit_size(unit, measures)
    if size and (unit_kind(unit) in ("cup", "measure", "vessel") or unit == COOKER_CUP):
        vessels = in_vessels(ml, size, thirds=unit_kind(unit) == "cup" or unit == COOKER_CUP)
        if vessels and (first := _UNIT_FIRST.fullmatch(was)):
            # "vikombe 2", as another tongue says it
            return f"{first['u']} {said_quantity(vessels)}"
        return f"{said_quantity(vessels)} {plural(unit, vessels, was)}" if vessels else f"{jug_ml(ml)} ml"
    if unit == "gallon" and not in_vessels(ml, size or 1.0):
        # quarters of it are a litre; of a quart they are a cup
        return _in_unit(ml, "quart", measures, "")
    if unit in ("pint", "quart", "gallon") and size and (many := in_vessels(ml, size)):
        return f"{said_quantity(many)} {plural(unit, many, was)}"
    if unit == "dl" and abs(round_half_up(ml / 50) * 50 - ml) <= QUARTERS_WITHIN * ml:
        return f"{round_half_up(ml / 50) / 2:g} dl"
    if unit in ("tbsp", "tsp") and size and ml < 90:
        said = said_fraction(ml / size, slack=0.08)
        return f"{said} {unit}" if said else f"{jug_ml(ml)} ml"
    if unit == "l" and ml >= 1000:
        return f"{jug_ml(ml) / 1000:.2f}".rstrip("0").rstrip(".") + " l"
    return f"{jug_ml(ml)} g" if unit_kind(unit) == "mass" else f"{jug_ml(ml)} ml"


_UNIT_FIRST = lazy(rf"\s*(?P<u>[^\W\d_]+(?: [^\W\d_]+)?)\s+{RANGE_PATTERN}\s*", re.I)
# a rice cooker's own, of 180 ml: it comes in thirds as other cups do
COOKER_CUP = "cooker cup"
# abbreviations have no plural
_SHORT = frozenset(
    ["tbsp", "tsp", "tbs", "tb", "tbl", "dsp", "oz", "lb", "pt", "qt", "pkt", "pkg", "pc", "ml", "dl", "cl", "kg"]
)
# so much is still said as one
SINGULAR = 1.1


# "two coffee cups" goes on in coffee cups
_KIND_OF_VESSEL = quick(
    r"\b(?:coffee|tea|water|milk|margarine|cigar|cooking|rice|rice[- ]cooker|cooker|measuring|breakfast|steel|plastic|wine)[ -](?=[^\W\d_]+\W*$)",
    re.I,
)


def of_line(ln: Line, measures: Measures) -> Measures:
    """The measures with the vessel this line is measured in: "2 coffee cups" of 80 ml beside "1½ glasses" of 200."""
    kind = unit_kind(ln.unit)
    if kind not in ("cup", "measure", "vessel") or not ln.ml or not ln.quantity:
        return measures
    each = ln.ml / ln.quantity
    return replace(measures, cup_ml=each) if kind == "cup" else replace(measures, measure_ml=each)


def plural(unit: str, value: float, was: str = "") -> str:
    """The unit's word for that many, in the words it replaces: "7 glasses" goes on in glasses."""
    if short := re.search(r"(?<![^\W\d_])c$", was, re.I):
        # "2 c." goes on with its stop
        return short[0]
    was = _AND_A_HALF.sub("", was)
    # of "2 cups plus 2 Tbsp" the first unit is the one it goes on in
    said = re.search(
        r"[^\W\d_]{2,}$",
        re.split(r"\s*(?:\+|&|\bplus\b|\band\b(?! (?:an? |(?:one|three|two)[ -])?(?:half|quarter|third)))", was)[
            0
        ].strip(),
    )
    if said and said[0].lower() not in ("half", "quarter", "quarters", "third", "thirds"):
        if said[0].lower() in _SHORT:
            return said[0]
        kind = _KIND_OF_VESSEL.search(was)
        which = kind[0] if kind else ""
        one = as_one(said[0])
        many = "es" if one.lower().endswith(("ss", "ch", "sh")) else "s"
        if canonical_unit(one + many) is None and canonical_unit(said[0]):
            # a word of another language stays as it is
            return re.sub(rf"^\s*{RANGE_PATTERN}\s*", "", was, flags=re.I)
        if said[0] == one and (m := re.match(rf"\s*{RANGE_PATTERN}", was)) and number_range(m[0].strip())[1] > SINGULAR:
            # "3 katori" are not "4 katoris"
            return which + one
        return which + (one if value < SINGULAR else one + (many.upper() if one.isupper() and len(one) > 1 else many))
    return f"{unit}s" if unit in ("cup", "measure", "tin", "pint", "quart", "gallon") and value >= SINGULAR else unit


def nearest(value: float, step: int) -> int:
    return round_half_up(value / step) * step


def said_quantity(value: float) -> str:
    """A bare count or spoon count: kitchen fractions, else one decimal."""
    return said_fraction(value, slack=0.04) or f"{value:.1f}".rstrip("0").rstrip(".")


def said_time(low: float, high: float, was: str) -> str:
    """Minutes in the manner of the words they replace: hours stay hours, a range stays a range."""
    lo, hi = max(1, round_half_up(low)), max(1, round_half_up(high))
    hours = any(w in was.lower() for w in ("hour", "hr")) or was.lower().rstrip().endswith("h")
    if hours and lo >= 60:
        step = 5 if lo < 180 else 15
        lo, hi = nearest(lo, step), nearest(hi, step)
        return _hours(lo) if lo == hi else f"{_hours(lo)} to {_hours(hi)}"
    # a word of another language stays as it is
    short = re.search(r"\b(?:mins?|minut[ieoyę]?|minutos|minutter|minute[nr]|dakika|dk|menit|dakik[ao]?)\b", was, re.I)
    # "30 Minuten" are not "17 minuten", "20 MIN" shouts
    word = (short[0].lower() if short[0].isupper() else short[0]) if short else _minutes_beside(was)
    if m := re.match(r"(?:dakika|dk\.?)\s+(?=\d)", was, re.I):
        # "dakika 20", as Swahili has it
        return m[0] + (str(lo) if lo == hi else f"{lo}-{hi}")
    if lo == hi:
        return f"{lo} {word.rstrip('s') if lo == 1 else word}"
    # "10-15 mins" keeps its dash
    dash = re.search(r"\d(\s?[-–]\s?)\d", was)
    # "quinze à dix-huit minutes" has no English between its numbers
    joint = dash[1] if dash else " to " if re.search(r"\d|\b(?:to|or|a)\b", was, re.I) else "-"
    return f"{lo}{joint}{hi} {word}"


# minutes, as they are called where an hour is called so
_OF_HOURS = (
    (r"stunde", "Minuten"), (r"heures?\b", "minutes"), (r"\bhoras?\b", "minutos"), (r"(?:\b|['’])or[ae]\b|mezzora", "minuti"), (r"\b(?:half)?uur\b|kwartier", "minuten"),
    (r"tim(?:me|mar|e)\b|kvart", "minuter"), (r"godzin|kwadrans", "minut"), (r"\bsaat\b", "dakika"),
)  # fmt: skip


def _minutes_beside(was: str) -> str:
    """The word for minutes in the tongue of what they replace: "eine Viertelstunde", "mezz'ora"."""
    return next((word for hour, word in _OF_HOURS if re.search(hour, was, re.I)), "minutes")


def _hours(minutes: int) -> str:
    h, m = divmod(minutes, 60)
    return f"{h} hour{'s' if h != 1 else ''}" + (f" {m} minutes" if m else "")
