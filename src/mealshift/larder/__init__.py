"""Jars and bags: read from one typed line, their age, and what the packet says beside the catalogue."""

from __future__ import annotations

import re
from calendar import monthrange
from dataclasses import dataclass
from datetime import date, timedelta

from ..grains import Grain, grain
from ..measures import MEASURE_ML, Measures, parse_amount
from ..pot import Kitchen, default_way, solve
from ..pot.account import OLD_BAG
from ..problems import Refusal
from ..reading.names import find_grains, guess_grain

KINDS = ("whole", "polished", "parboiled", "quick", "blend")
# whole grain keeps its germ and its oil: it ages sooner once opened than polished grain
OPENED_DAYS = {"whole": 270, "polished": 540, "parboiled": 540, "quick": 365, "blend": 270}
MOST_G = 20_000.0
_AMOUNT = r"\d+(?:[.,]\d+)?\s*(?:kg|g|grams?|l|ml|lb|oz|cups?)\b"
_DATE = r"\d{4}-\d{1,2}(?:-\d{1,2})?|\d{1,2}[./]\d{1,2}[./]\d{4}|\d{1,2}[./]\d{4}"


@dataclass(frozen=True, slots=True)
class BagLine:
    """One bag as typed. grams of grain; label_ratio: water by volume; label_min: minutes at the boil."""

    grain: str
    grams: float
    kind: str
    best_before: date | None = None
    opened: date | None = None
    label_ratio: float | None = None
    label_min: float | None = None


def kind_of(g: Grain) -> str:
    """What a bag of this grain is, unless its packet says otherwise."""
    return "quick" if g.quick else "parboiled" if g.parboiled else "whole" if g.whole else "polished"


def read_line(text: str, today: date, measures: Measures | None = None) -> BagLine:
    """A bag from one line. Refusal that says what is missing.

    >>> read_line("500 g foxtail millet, best 3/2027, opened 2026-11-01", date(2026, 11, 25)).best_before
    datetime.date(2027, 3, 31)
    """
    rest = text.strip()
    opened = best = None
    if m := re.search(rf"\bopened\s+(today|yesterday|{_DATE})", rest, re.I):
        opened = {"today": today, "yesterday": today - timedelta(days=1)}.get(m[1].lower()) or read_date(m[1])
        rest = rest.replace(m[0], " ")
    if m := re.search(rf"(?:\b(?:best|before|by|until|bb|bbe)\b[\s:]*)*({_DATE})", rest, re.I):
        best = read_date(m[1])
        rest = rest.replace(m[0], " ")
    ratio = minutes = None
    if m := re.search(r"\b1\s*(?::|to)\s*(\d+(?:[.,]\d+)?)", rest):
        ratio, rest = float(m[1].replace(",", ".")), rest.replace(m[0], " ")
    if m := re.search(r"(\d+(?:[.,]\d+)?)\s*min(?:utes?)?\b", rest, re.I):
        minutes, rest = float(m[1].replace(",", ".")), rest.replace(m[0], " ")
    m = re.search(_AMOUNT, rest, re.I)
    if m is None:
        raise Refusal("amount", "line", "Say how much is in it, such as “500 g foxtail millet, best 3/2027”.")
    rest = rest.replace(m[0], " ")
    found = next(iter(find_grains(rest)), None)
    if found is None or " " not in found.text.strip():
        # "foxtale millet" is no common millet
        found = guess_grain(rest, 2) or found or guess_grain(rest)
    if found is None or not rest.strip(" ,.;"):
        raise Refusal(
            "grain",
            "line",
            f"“{rest.strip(' ,.;')[:40]}” is no grain I know: write it as its page has it, such as foxtail millet.",
        )
    g = grain(found.slug)
    amount = parse_amount(m[0], measures)
    grams = amount.g if amount.g is not None else (amount.ml or 0.0) * g.density
    kind = next((k for k in KINDS if re.search(rf"\b{k}\b", rest, re.I)), kind_of(g))
    return check(BagLine(g.slug, round(grams, 1), kind, best, opened, ratio, minutes), today)


def read_date(text: str) -> date:
    """2027-03-15, 15.3.2027, 3/2027 (the end of that month)."""
    parts = [int(p) for p in re.split(r"[-./]", text)]
    if parts[0] > 31:
        year, month, day = parts[0], parts[1], parts[2] if len(parts) > 2 else 0
    else:
        year, month, day = parts[-1], parts[-2], parts[0] if len(parts) > 2 else 0
    try:
        return date(year, month, day or monthrange(year, month)[1])
    except (ValueError, IndexError):
        raise Refusal("date", "line", f"“{text}” is no date: write it as 3/2027 or 2027-03-15.") from None


def check(bag: BagLine, today: date) -> BagLine:
    """The bag as it is, or Refusal."""
    if not 0 <= bag.grams <= MOST_G:
        raise Refusal("grams", "grams", "A bag here holds up to 20 kg; say how much is in it.")
    if bag.kind not in KINDS:
        raise Refusal("kind", "kind", f"A bag is {', '.join(KINDS[:-1])} or a {KINDS[-1]}.")
    if bag.opened and bag.opened > today:
        raise Refusal("opened", "opened", "That day has not come yet: give the day it was opened.")
    if bag.label_ratio is not None and not 0.5 <= bag.label_ratio <= 12:
        raise Refusal(
            "label_ratio",
            "label_ratio",
            "A packet asks for half to twelve times its volume of water; give a number in between.",
        )
    if bag.label_min is not None and not 0 <= bag.label_min <= 180:
        raise Refusal("label_min", "label_min", "A packet asks for up to 180 minutes; give a number in between.")
    return bag


def old(bag: BagLine, today: date) -> str:
    """Why this bag is old, in a sentence; "" if it is not."""
    more = round((OLD_BAG - 1) * 100)
    sprout = " It may not sprout." if grain(bag.grain).sprouts else ""
    takes = f"take about {more} % more water and time, and smell it first.{sprout}"
    if bag.best_before and bag.best_before < today:
        return f"Best before {bag.best_before:%-d %B %Y}, which has passed: {takes}"
    limit = OPENED_DAYS[bag.kind]
    if bag.opened and (today - bag.opened).days > limit:
        return f"Open for {(today - bag.opened).days // 30} months: {takes}"
    return ""


def label(bag: BagLine) -> str:
    """What the packet says beside the catalogue, for one 240 ml measure under a lid; "" where it says nothing or agrees."""
    if bag.label_ratio is None and bag.label_min is None:
        return ""
    g = grain(bag.grain)
    pot = solve(g, MEASURE_ML, default_way(g), Kitchen())
    said = []
    if bag.label_min is not None and pot.cook_min and abs(bag.label_min / pot.cook_min - 1) > 0.25:
        said.append(f"{bag.label_min:g} minutes where such grain takes {pot.cook_typical}")
        if bag.label_min < 0.6 * pot.cook_min and not g.quick:
            return f"The packet says {said[0]}: it is a quick or parboiled kind. Believe the packet."
    ratio = pot.pour_ml / MEASURE_ML
    if bag.label_ratio is not None and ratio and abs(bag.label_ratio / ratio - 1) > 0.2:
        said.append(
            f"1 to {bag.label_ratio:g} where 1 to {ratio:.1f} comes out {g.texture_word(pot.way.texture)} under a lid"
        )
    return f"The packet says {' and '.join(said)}." if said else "The packet and the catalogue agree."
