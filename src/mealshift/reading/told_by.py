"""Water that is told by something else: by the grain ("double the rice", "1 : 1.5"), or by the tin that another thing came in."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..measures import NUMBER_PATTERN, number_range
from ..process import Span
from ..recipe import Line
from . import ingredients
from .structure import Structure

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


def related(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
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
