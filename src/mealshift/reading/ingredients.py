"""One ingredient line: its amount, unit, name and what kind of thing it is in the pot."""

from __future__ import annotations

import re
import tomllib
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

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
    unit_size,
)
from ..problems import Problem
from ..recipe import Line, Span
from .layout import Piece
from .names import Found, find_grains, guess_grain
from .words import word_list

COOKED_RICE_DENSITY = 0.70
TOMATO_G = 100.0
_SIZE = r"(?:heaped|heaping|level|scant|rounded|generous|good|large|small|medium|big|full|packed)"
_EACH = re.compile(
    rf"^(?P<n>{RANGE_PATTERN})(?:\s*[x×]\s*|\s+)(?P<each>{NUMBER_PATTERN})\s*-?(?P<unit>ml|g|oz|l|kg)[\s-]*"
    r"(?:tins?|cans?|packets?|packs?|jars?|cartons?|bags?)\b\.?\s*(?:of\s+)?",
    re.I,
)
_COUNT = re.compile(
    rf"^(?P<n>{RANGE_PATTERN})\s*(?:{_SIZE}\s+)*(?P<unit>(?:{UNIT_PATTERN})(?![\w]))?\.?\s*"
    rf"(?P<dual>/\s*{NUMBER_PATTERN}\s*(?:{UNIT_PATTERN})(?![\w])\.?\s*)?(?:of\s+)?",
    re.I,
)
_CONTAINER = re.compile(r"^(?:tins?|cans?|packets?|packs?|jars?|cartons?)\b\s*(?:of\s+)?", re.I)
_STATED = re.compile(
    rf"\(\s*(?:about\s+|approx\.?\s+|each\s+)?(?P<n>{RANGE_PATTERN})\s*(?P<unit>{UNIT_PATTERN})(?![\w])[^)]*\)", re.I
)
_NAME_FIRST = re.compile(
    rf"^(?P<name>[^:;\d]{{2,40}}?)\s*(?::|\s[-–—]|,\s*(?:about|roughly))\s*(?:about\s+|roughly\s+)?"
    rf"(?P<rest>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?(?![\w]).*)$",
    re.I,
)
_COOKED = re.compile(r"\b(?:cooked|leftover|left-over|day-old|day old|cold)\b", re.I)
# words that may stand between an amount and a grain's name without being a unit
_DESCRIBES = word_list("describes")


@dataclass(frozen=True, slots=True)
class Kind:
    kind: str
    role: str = "beside"
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
def _kinds() -> tuple[tuple[re.Pattern[str], dict[str, Kind]], ...]:
    by_word = {}
    for raw in tables()["kind"]:
        kind = Kind(**{k: v for k, v in raw.items() if k != "words"})
        by_word.update(dict.fromkeys(raw["words"], kind))
    return ((_any_of(tuple(by_word)), by_word),)


@cache
def _any_of(words: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile(
        r"(?<![\w-])(?:" + "|".join(re.escape(w) for w in sorted(words, key=len, reverse=True)) + r")(?![\w-])", re.I
    )


@cache
def word_pattern(table: str) -> re.Pattern[str]:
    return _any_of(tuple(tables()[table]["words"]))


def kind_of(name: str) -> tuple[Kind | None, str]:
    """The kind of an ingredient and the word it was known by: the longest, and of equals the last, match."""
    pattern, by_word = _kinds()[0]
    hits = list(pattern.finditer(name))
    if not hits:
        return None, ""
    best = max(hits, key=lambda m: (len(m[0]), m.start()))
    return by_word[best[0].lower()], best[0]


def is_drained(text: str) -> bool:
    return bool(word_pattern("drained").search(text)) and not re.search(
        r"\bun(?:cooked|drained)\b|\bdr(?:y|ied)\b", text, re.I
    )


def read_line(piece: Piece, index: int, measures: Measures, problems: list[Problem]) -> Line:
    """The line as a Line with its kind's usual role; the steps may change the role later."""
    text = piece.text
    line = Line(index, text, piece.span, piece.section)
    name_at, rest, amount_at = 0, text, None
    low = high = None
    unit = ""
    ml = g = None
    named = _NAME_FIRST.match(text)
    body, shift = (named["rest"], named.start("rest")) if named else (text, 0)
    if m := _EACH.match(body):
        try:
            low, high = number_range(m["n"])
            each, _ = number_range(m["each"])
        except ValueError:
            low = None
        if low is not None and high is not None:
            unit = canonical_unit(m["unit"]) or ""
            per_ml, per_g = unit_size(unit, measures)
            count = (low + high) / 2
            ml, g = (per_ml * each * count if per_ml else None), (per_g * each * count if per_g else None)
            unit = "tin"
            amount_at = Span(shift, shift + len(m[0].rstrip()))
            rest, name_at = body[m.end() :], shift + m.end()
    elif (m := _COUNT.match(body)) and m["n"]:
        try:
            low, high = number_range(m["n"])
        except ValueError:
            low = None
        if low is not None and high is not None:
            unit = canonical_unit(m["unit"] or "") or ""
            amount = make_amount(low, high, unit, measures)
            ml, g = amount.ml, amount.g
            end = m.end("unit") if m["unit"] else m.end("n")
            amount_at = Span(shift, shift + end)
            rest, name_at = body[m.end() :], shift + m.end()
            if (unit_kind(unit) in ("volume", "mass")) and (c := _CONTAINER.match(rest)):
                rest, name_at = rest[c.end() :], name_at + c.end()
    if (stated := _STATED.search(text)) and low is not None and high is not None:
        ml, g = _stated(stated, (low + high) / 2, unit, ml, g, measures, problems)
        if stated.start() == name_at:
            rest, name_at = (
                text[stated.end() :].lstrip(),
                stated.end() + len(text[stated.end() :]) - len(text[stated.end() :].lstrip()),
            )
    if low is not None and low < 0:
        problems.append(
            Problem("amount", text, "An amount below zero cannot be measured; write how much goes in.", "stop")
        )
        low = high = None
        ml = g = None
    if named:
        name, name_at = named["name"].strip(), named.start("name")
    else:
        name = re.split(r"[,;(]|\s[-–—]\s", rest, maxsplit=1)[0].strip()
        if not name and unit and m and unit_kind(unit) == "count":
            # "2 cloves": the counted thing is the ingredient itself
            name, name_at, unit = m["unit"], shift + m.start("unit"), ""
            amount_at = Span(shift, shift + m.end("n"))
    line = line.with_(
        quantity=None if low is None or high is None else round((low + high) / 2, 4),
        unit=unit,
        name=name,
        quantity_range=None if low is None or high is None or low == high else (low, high),
        ml=ml,
        g=g,
        name_span=Span(name_at, name_at + len(name)) if name else None,
        amount_span=amount_at,
    )
    return sized(_as_kind(line, problems), problems)


def _stated(
    m: re.Match[str],
    count: float,
    unit: str,
    ml: float | None,
    g: float | None,
    measures: Measures,
    problems: list[Problem],
) -> tuple[float | None, float | None]:
    """A size in brackets: each of so many tins, or the same amount in another unit (then it fills what is missing)."""
    try:
        low, high = number_range(m["n"])
    except ValueError:
        return ml, g
    in_brackets = make_amount(low, high, canonical_unit(m["unit"]) or "", measures)
    times = count if unit_kind(unit) == "count" else 1.0
    return (
        ml if ml is not None else in_brackets.ml and in_brackets.ml * times,
        g if g is not None else in_brackets.g and in_brackets.g * times,
    )


def _as_kind(line: Line, problems: list[Problem]) -> Line:
    grains = find_grains(line.text)
    kind, _ = kind_of(line.name or line.text)
    if not grains and kind is None and line.quantity is not None and (guess := guess_grain(line.name)):
        offset = line.name_span.start if line.name_span else 0
        grains = [Found(guess.slug, Span(guess.span.start + offset, guess.span.end + offset), guess.text, False)]
        problems.append(
            Problem(
                "guessed_grain",
                line.text,
                f"I read “{guess.text}” as {grain(guess.slug).name}; touch the line if it is another.",
            )
        )
    # the longest name in the text decides between "stock for the rice" and "rice in stock": a grain named first wins
    if grains and (
        kind is None
        or kind.kind not in ("water", "stock", "fat", "salt", "vinegar", "milk")
        or grains[0].span.start < (line.name_span.start if line.name_span else 0) + 1
    ):
        found = grains[0]
        return line.with_(
            grain=found.slug,
            name_span=found.span,
            name=found.text,
            role="beside",
            kind="generic rice" if found.generic else "grain",
            cooked=bool(_COOKED.search(line.text))
            and not re.search(r"\b(?:uncooked|easy-cook|quick-cook)", line.text, re.I),
        )
    if kind is None:
        return line
    role = kind.role
    fraction = kind.water * kind.reaches
    drinks, minutes = kind.drinks, kind.minutes
    if role == "absorber" and is_drained(line.text):
        drinks = minutes = 0.0
        role = "beside"
    elif role == "absorber" and re.search(r"\bsoaked\b", line.text, re.I):
        drinks, minutes = drinks / 2, minutes * 2 / 3
    return line.with_(
        role=role, kind=kind.kind, fraction=fraction, drinks=drinks, minutes=minutes, carrier=kind.carrier
    )


def sized(line: Line, problems: list[Problem]) -> Line:
    """Fills ml and g from each other where the kind allows it, and the water and drink they come to."""
    ml, g = line.ml, line.g
    if line.grain:
        density = COOKED_RICE_DENSITY if line.cooked else grain(line.grain).density
        if line.unit in ("tin", "packet") and ml is None and g is None:
            return line
        ml = ml if ml is not None else g / density if g is not None else None
        g = g if g is not None else ml * density if ml is not None else None
        return line.with_(ml=ml, g=g)
    if line.fraction:
        if line.kind == "tomato" and ml is None and g is None and line.quantity:
            each = USUAL_TIN if line.unit == "tin" else TOMATO_G
            what = "a tin of tomatoes as 400 g" if line.unit == "tin" else "a tomato as 100 g"
            g = line.quantity * each
            problems.append(
                Problem("assumed_size", line.text, f"I took {what}; write the weight beside it if it is not.", "note")
            )
        elif line.unit == "tin" and ml is None and g is None and line.quantity:
            ml = line.quantity * USUAL_TIN
            problems.append(
                Problem(
                    "assumed_size",
                    line.text,
                    "I took a tin as 400 ml; write what is on the label if it is not.",
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


def count_out(texts: list[str]) -> tuple[str, ...]:
    """Whole spices and the like, as written, to be counted in and counted out."""
    table = tables()["count_out"]
    pattern, never = word_pattern("count_out"), _any_of(tuple(table["not_with"]))
    return tuple(t for t in texts if pattern.search(t) and not never.search(t))


def allergens(texts: list[str]) -> tuple[str, ...]:
    """Allergens named in these ingredient lines, each once."""
    table = tables()["allergens"]
    harmless = _any_of(tuple(table["not_allergens"]))
    found = []
    for name, words in table.items():
        if name != "not_allergens" and any(_any_of(tuple(words)).search(harmless.sub(" ", t)) for t in texts):
            found.append(name)
    if any(re.search(r"almond milk", t, re.I) for t in texts) and "nuts" not in found:
        found.append("nuts")
    if any(re.search(r"peanut butter", t, re.I) for t in texts) and "peanut" not in found:
        found.append("peanut")
    for t in texts:
        for f in find_grains(t):
            if grain(f.slug).gluten and "gluten" not in found:
                found.append("gluten")
    return tuple(found)
