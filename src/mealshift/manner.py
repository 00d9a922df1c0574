"""How a household says its numbers: cups or grams, °C or °F, 19:40 or 7:40 pm. Inside the engine there are only ml, g, °C and minutes.

A recipe's own words are left as they are unless the household asks otherwise; then every amount in them is said in its units, and one that
the recipe gives in both ("2 cups (480 ml)") is said once. Spoons, pinches, tins and the household's own glass stay: they are everybody's.

    >>> Manner("metric", "C").said("Bake 1 lb of it at 350°F in a 9-inch dish")
    'Bake 450 g of it at 175 °C in a 23 cm dish'
"""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime

from .measures import (
    MOST_CUPS,
    NUMBER_PATTERN,
    OUNCE_G,
    POUND_G,
    RANGE_PATTERN,
    Measures,
    canonical_unit,
    in_vessels,
    jug_ml,
    number,
    number_range,
    round_half_up,
    said_fraction,
    unit_size,
)
from .problems import Refusal

AMOUNTS = ("", "metric", "cups", "both")
HEATS = ("", "C", "F")
CLOCKS = (24, 12)

_METRIC = frozenset(["ml", "cl", "dl", "l", "g", "kg"])
_CUPS = frozenset(["cup", "fl oz", "pint", "quart", "gallon", "oz", "lb"])
_UNIT = (
    r"cups?|c|fl\.? ?oz|fluid ounces?|pints?|quarts?|qts?|pts?|gallons?|gals?|ounces?|oz|pounds?|lbs?|millilit(?:re|er)s?|mls?|cc|centilit(?:re|er)s?|cl|decilit(?:re|er)s?|dl"
    r"|lit(?:re|er)s?|l|kilograms?|kilos?|kgs?|kg|grams?|grammes?|gms?|gr|g"
)
_ONCE, _TWICE = (rf"(?P<n{n}>{RANGE_PATTERN})[ \t]?-?[ \t]?(?P<u{n}>{_UNIT})\b\.?" for n in (1, 2))
# "1 lb 3 oz" is one amount; "2 cups (480 ml)", "250 g/9 oz" is one said twice
_SAID = re.compile(
    rf"(?P<lb>{NUMBER_PATTERN})\s?(?:lbs?|pounds?)\.?,? (?:and )?(?P<oz>{NUMBER_PATTERN})\s?(?:oz|ounces?)\b\.?"
    rf"|{_ONCE}(?:(?P<open>\s*\((?:about |approx\.? |~)?|\s*/\s*){_TWICE}(?P<close>\s*\))?)?",
    re.I,
)
_DEGREES = re.compile(
    r"(?<![\d.,])(?P<n>\d{1,3}(?:\s?[-–]\s?\d{2,3}| to \d{2,3})?)\s?(?:°\s?(?P<u>[CF])?|degrees?(?: (?P<w>[CF]\b|celsius|fahrenheit|centigrade))?|(?<=\d\d)(?P<b>[CF])(?=[\s.,;:)/]|$))(?![a-z])",
    re.I,
)
# "9 by 13", "2 to 3", "2-3"
_JOIN = r"(?P<join>\s?(?:x|×|by)\s?|\s?[–-]\s?| to | or )"
_INCHES = re.compile(
    rf"(?P<a>{NUMBER_PATTERN})(?:{_JOIN}(?P<b>{NUMBER_PATTERN}))?(?P<glue>\s?-\s?|\s?)inch(?:es)?\b", re.I
)
# digits are bounded: no pan is a thousand centimetres wide
_CENTIMETRES = re.compile(
    rf"(?<![\d.,])(?P<a>\d{{1,3}}(?:[.,]\d{{1,2}})?)(?:{_JOIN}(?P<b>\d{{1,3}}(?:[.,]\d{{1,2}})?))?\s?-?\s?cm\b"
)
# a bare "a cup" is as often the vessel as the amount
_BARE = re.compile(r"an?|one", re.I)
_VESSEL = re.compile(
    r"[- ](?:[a-z]+ ){0,2}?(?:pots?|pans?|saucepans?|casseroles?|dish(?:es)?|cookers?|bowls?|skillets?)\b", re.I
)
# how far around a temperature its twin stands
_NEAR = 32
# an oven is set in steps of 25 °F
OVEN_C = 110
QUART_ML = 946.0


@dataclass(frozen=True, slots=True)
class Manner:
    """amounts: "" as the recipe has them, "metric", "cups" (and ounces), "both". heat: "", "C" or "F". clock: 24 or 12 hours.

    Refusal if one is none of these.
    """

    amounts: str = ""
    heat: str = ""
    clock: int = 24

    def __post_init__(self) -> None:
        for field, value, known in (
            ("amounts", self.amounts, AMOUNTS),
            ("heat", self.heat, HEATS),
            ("clock", self.clock, CLOCKS),
        ):
            if value not in known:
                words = ", ".join(str(k) or "as the recipe has them" for k in known)
                raise Refusal(field, field, f"That is none of the ways I can say it; choose {words}.")

    def time(self, at: datetime) -> str:
        """
        >>> Manner(clock=12).time(datetime(2026, 11, 26, 19, 5)), Manner().time(datetime(2026, 11, 26, 9, 5))
        ('7:05 pm', '09:05')
        """
        return f"{at:%H:%M}" if self.clock == 24 else f"{at.hour % 12 or 12}:{at:%M} {'am' if at.hour < 12 else 'pm'}"

    def degrees(self, text: str) -> str:
        """A sentence of our own, which speaks of °C, as the household reads a thermometer."""
        return _put(text, _heats(text, "F")) if self.heat == "F" else text

    def said(self, text: str, measures: Measures | None = None) -> str:
        return _put(text, self.edits(text, measures or Measures()))

    def told(self, text: str, measures: Measures | None = None) -> str:
        """A sentence of our own to the cook: what stands between “ ” is their own words and stays.

        >>> Manner("cups").told("“300 ml” will not do: give 10 to 60 cm.")
        '“300 ml” will not do: give 4 to 24 inches.'
        """
        return "".join(
            part if part.startswith("“") else self.said(part, measures) for part in re.split(r"(“[^”]*”)", text)
        )

    def volume(self, ml: float, measures: Measures | None = None) -> str:
        """A volume in whole millilitres, the household's way.

        >>> Manner().volume(580), Manner("cups").volume(580), Manner("both").volume(580)
        ('580 ml', '2½ cups', '580 ml (2½ cups)')
        """
        return self.said(f"{round_half_up(ml)} ml", measures)

    def roughly(self, ml: float, measures: Measures) -> str:
        """A volume that is drawn or guessed and not measured: in cups to the quarter, for nobody sees a spoon in a pot.

        >>> Manner().roughly(317, Measures()), Manner("cups").roughly(317, Measures()), Manner("cups").roughly(12, Measures())
        ('315 ml', '1¼ cups', '10 ml')
        """
        quarter = measures.cup_ml / 4
        if self.amounts == "cups" and ml > quarter / 2:
            ml = round_half_up(ml / quarter) * quarter
        return self.said(f"{jug_ml(ml)} ml", measures)

    def edits(self, text: str, measures: Measures) -> list[tuple[int, int, str]]:
        """What to put in the place of which characters, so that the text says its amounts and temperatures this way."""
        out = _heats(text, self.heat) if self.heat else []
        if self.amounts:
            out += _lengths(text, self.amounts)
            out += [e for m in _SAID.finditer(text) if (e := _amount(m, self.amounts, measures)) is not None]
        return sorted(out)


def _put(text: str, edits: list[tuple[int, int, str]]) -> str:
    for start, end, new in reversed(edits):
        text = text[:start] + new + text[end:]
    return text


# -- amounts -------------------------------------------------------------------------------------------------------


def _amount(m: re.Match[str], amounts: str, measures: Measures) -> tuple[int, int, str] | None:
    try:
        first = _Said.pounds(m) if m["lb"] else _Said.of(m, "1", measures)
        second = _Said.of(m, "2", measures) if m["u2"] else None
    except ValueError:
        return None
    if first is None or (m["n1"] and _BARE.fullmatch(m["n1"]) and not m.string[m.end() :].startswith(" of ")):
        return None
    if m["open"] and (("(" in m["open"]) != (m["close"] is not None)):
        # a bracket that says more than the amount is left to itself
        second, end = None, m.end("u1") + (m.string[m.end("u1") : m.end("u1") + 1] == ".")
    else:
        end = m.end()
    if m.string[end - 1] == "." and _ends_sentence(m, end):
        end -= 1
    wanted = _METRIC if amounts == "metric" else _CUPS
    known = [a for a in (first, second) if a is not None]
    if amounts == "both":
        if second is not None or re.match(r"\s*(?:\(|/\s*\d)", m.string[end:]):
            return None
        other = first.in_cups(measures) if first.unit in _METRIC else first.in_metric()
        inside = m.string.count("(", 0, m.start()) > m.string.count(")", 0, m.start())
        return None if other is None else (end, end, f" / {other}" if inside else f" ({other})")
    if already := next((a for a in known if a.unit in wanted), None):
        return None if second is None else (m.start(), end, already.words)
    # of a dry thing said in cups and ounces the weight is what a scale shows
    told = next((a for a in known if a.g), first)
    new = told.in_metric() if amounts == "metric" else told.in_cups(measures)
    return None if new is None else (m.start(), end, new)


def _ends_sentence(m: re.Match[str], end: int) -> bool:
    """Whether the stop behind an amount is the sentence's, not an abbreviation's: "Add 300 ml. Stir", but "1 lb. Ground beef" in a list."""
    after = m.string[end:]
    if (
        not after.strip()
        or after[0] == "\n"
        or re.search(r"(?:cup|pint|quart|gallon|ounce|pound|lit[re]+|gram)s?\.$", m.string[:end], re.I)
    ):
        return True
    in_list = not m.string[: m.start()].rpartition("\n")[2].strip(" -*•")
    return not in_list and re.match(r"\s+[A-Z(“]", after) is not None


@dataclass(frozen=True, slots=True)
class _Said:
    """One amount as it stands: its unit, its words, and what its ends come to in ml or in g."""

    unit: str
    words: str
    ml: tuple[float, float] | None
    g: tuple[float, float] | None
    # it is the size of a pot, not what goes into it
    vessel: bool = False

    @classmethod
    def of(cls, m: re.Match[str], n: str, measures: Measures) -> _Said | None:
        unit = canonical_unit(m[f"u{n}"]) or ""
        if unit not in _METRIC | _CUPS:
            return None
        low, high = number_range(m[f"n{n}"])
        if m[f"u{n}"] == "C" or (m[f"u{n}"] == "c" and high > MOST_CUPS):
            # "180 c" is a temperature
            return None
        ml, g = unit_size(unit, measures)
        words = m.string[m.start(f"n{n}") : m.end(f"u{n}")]
        return cls(
            unit,
            words,
            (low * ml, high * ml) if ml else None,
            (low * g, high * g) if g else None,
            bool(_VESSEL.match(m.string, m.end(f"u{n}"))),
        )

    @classmethod
    def pounds(cls, m: re.Match[str]) -> _Said:
        g = number(m["lb"]) * POUND_G + number(m["oz"]) * OUNCE_G
        return cls("lb", m[0], None, (g, g))

    def in_metric(self) -> str | None:
        if self.ml:
            low, high = (jug_ml(x) for x in self.ml)
            return None if not low else _range(low, high, _litres if low >= 1000 else "{} ml".format)
        low, high = (_grams(x) for x in self.g or (0.0, 0.0))
        return None if not low else _range(low, high, _kilos if low >= 1000 else "{} g".format)

    def in_cups(self, measures: Measures) -> str | None:
        """None where a cook with cups says it no otherwise: a few millilitres, a few grams."""
        if self.ml and self.vessel:
            low, high = (f"{said_fraction(x / QUART_ML, 0.1) or round_half_up(x / QUART_ML)} quart" for x in self.ml)
        elif self.ml:
            low, high = (_cups(x, measures.cup_ml) for x in self.ml)
        else:
            low, high = (_ounces(x) for x in self.g or (0.0, 0.0))
        if not (low and high):
            return None
        return low if low == high else f"{low} to {high}"


def _range(low: int, high: int, said: Callable[[int], str]) -> str:
    return said(low) if low == high else f"{said(low).split()[0]} to {said(high)}"


def _litres(ml: int) -> str:
    return f"{ml / 1000:.{2 if ml < 2000 else 1}f}".rstrip("0").rstrip(".") + " l"


def _kilos(g: int) -> str:
    return f"{g / 1000:.2f}".rstrip("0").rstrip(".") + " kg"


def _grams(g: float) -> int:
    step = 1 if g < 20 else 5 if g < 100 else 10
    return round_half_up(g / step) * step


def _cups(ml: float, cup_ml: float) -> str:
    """Cups in quarters and thirds; what is left over them in spoons; less than a quarter of a cup in spoons alone; from a gallon on, quarts.

    >>> _cups(4250, 240), _cups(3600, 240)
    ('4½ quarts', '15 cups')
    """
    if ml < 12:
        return ""
    if ml >= 4 * QUART_ML:
        return f"{said_fraction(round_half_up(ml / QUART_ML * 2) / 2)} quarts"
    if ml < cup_ml * 0.23:
        return f"{said_fraction(round_half_up(ml / 7.5) / 2) or '1'} tbsp"
    if said := said_fraction(ml / cup_ml, slack=0.04):
        return _counted(said, ml / cup_ml)
    quarters = int(ml / cup_ml * 4)
    spoons = round_half_up((ml - quarters * cup_ml / 4) / 15)
    whole = quarters / 4
    return (
        f"{_counted(said_fraction(whole) or '', whole)} plus {spoons} tbsp"
        if spoons
        else _counted(said_fraction(whole) or "", whole)
    )


def _counted(said: str, value: float) -> str:
    return f"{said} cup{'s' if value >= 1.1 else ''}"


def _ounces(g: float) -> str:
    if g < 20:
        return ""
    pounds = in_vessels(g, POUND_G)
    if g >= 0.9 * POUND_G and pounds:
        return f"{said_fraction(pounds)} lb"
    ounces = g / OUNCE_G
    return f"{said_fraction(round_half_up(ounces * 2) / 2) if ounces < 6 else round_half_up(ounces)} oz"


# -- heat and length -----------------------------------------------------------------------------------------------


def _heats(text: str, wanted: str) -> list[tuple[int, int, str]]:
    found = []
    for m in _DEGREES.finditer(text):
        unit = (m["u"] or (m["w"] or "")[:1] or m["b"] or "").upper()
        found.append((m, unit))
    out = []
    for m, unit in found:
        if not unit or unit == wanted:
            continue
        if any(u == wanted and abs(x.start() - m.start()) < _NEAR for x, u in found):
            # the recipe says it both ways
            continue
        ends = [int(x) for x in re.findall(r"\d+", m["n"])]
        new = [_fahrenheit(x) if wanted == "F" else _celsius(x) for x in ends]
        said = str(new[0]) if len(new) == 1 or new[0] == new[-1] else f"{new[0]} to {new[-1]}"
        out.append((m.start(), m.end(), f"{said} °{wanted}"))
    return out


def _celsius(f: int) -> int:
    c = (f - 32) / 1.8
    return round_half_up(c / 5) * 5 if c >= OVEN_C else round_half_up(c)


def _fahrenheit(c: int) -> int:
    f = c * 1.8 + 32
    return round_half_up(f / 25) * 25 if c >= OVEN_C else round_half_up(f)


# "a 14-inch pan", but "14 inches wide"
_OF_THE_SIZE = re.compile(
    r"\s(?!(?:wide|deep|high|tall|across|long|thick|above|over|apart|below|from|of|in|and|or|on|at|to)\b)[a-z]"
)


def _joined(said: list[str], join: str | None) -> str:
    """Two sides of a tin, or the ends of a range."""
    word = (join or "").strip()
    if word in ("to", "or", "-", "–"):
        return (f" {word} " if word.isalpha() else "–").join(dict.fromkeys(said))
    return " x ".join(said)


def _lengths(text: str, amounts: str) -> list[tuple[int, int, str]]:
    out = []
    pattern = _CENTIMETRES if amounts == "cups" else _INCHES
    for m in pattern.finditer(text) if amounts != "both" else ():
        try:
            ends = [number(m[k]) for k in ("a", "b") if m[k]]
        except ValueError:
            continue
        if amounts == "cups":
            said = [(x < 10 and said_fraction(x / 2.54, slack=0.12)) or str(round_half_up(x / 2.54)) for x in ends]
            # "a 14-inch pan", "kombu, 2 inches"
            of = _OF_THE_SIZE.match(m.string, m.end())
            unit = "-inch" if of else " inches" if ends[-1] > 2.8 else " inch"
            # "an 8-inch pot"
            an = bool(of) and said[0] in ("8", "11", "18") and re.search(r"\ba $", m.string[: m.start()], re.I)
            out.append((m.start() - bool(an), m.end(), ("n " if an else "") + _joined(said, m["join"]) + unit))
        else:
            cm = [x * 2.54 for x in ends]
            said = [f"{round_half_up(x * 2) / 2:g}" if x < 8 else str(round_half_up(x)) for x in cm]
            out.append((m.start(), m.end(), f"{_joined(said, m['join'])} cm"))
    return out
