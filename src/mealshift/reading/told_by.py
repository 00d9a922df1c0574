"""Water that is told by something else: by the grain ("double the rice", "1 : 1.5"), or by the tin that another thing came in."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..measures import NUMBER_PATTERN, USUAL_TIN, number_range
from ..process import Span
from ..quick import lazy, quick
from ..recipe import Line
from . import ingredients
from .structure import Structure

# "the same of water", "double the volume of stock", "1½ times as much water as rice", "1:2", "two parts water"
_RELATION = quick(
    r"(?:(?P<same>(?:the |an? )?(?:same|equal)(?: again)?(?: (?:amount|volume|quantity|measure))?)|(?P<double>double|twice)|(?P<times>[\d½¼¾⅓⅔][\d.,½¼¾⅓⅔/ ]*|one and a half|two and a half|three|two)\s*times)"
    r"(?: (?:as much|(?:the|its) (?:amount|volume|quantity|(?P<heavy>weight))|that))?(?: of (?:the |your )?(?:rice|grain))?(?: in| of)?(?: the)?(?= (?:boiling |hot |cold |cool |warm |salted |lightly |lukewarm |fresh |vegetable |veg |chicken |beef |lamb |fish |good )*(?P<what>water|stock|broth|milk)\b)",
    re.I,
)


def _times(said: str) -> float | None:
    """How many times the grain's volume some words mean, the middle of a range; None if they hold no number."""
    words = re.sub(r"\s*(?:times|x)$", "", said.strip().lower())
    if words in ("double", "twice"):
        return 2.0
    if re.match(r"(?:the |an? )?(?:same|equal)\b", words):
        return 1.0
    try:
        return sum(number_range(words)) / 2
    except ValueError:
        return None


def _relation(text: str, by_volume: float) -> tuple[float, int, int] | None:
    """(times the grain's volume, start, end) of a liquid's amount told by the grain's volume or weight, its name after it, or None. by_volume: the
    grain's grams in a millilitre."""
    m = _RELATION.search(text)
    times = _times(m["same"] or m["double"] or m["times"]) if m else None
    return None if m is None or times is None else (times * (by_volume if m["heavy"] else 1.0), m.start(), m.end())


# "1 : 1.5 rice to water", "1 part rice to 2 parts water"
_RATIO = (
    lazy(
        rf"(?P<rice>{NUMBER_PATTERN})\s*(?::|to)\s*(?P<wet>{NUMBER_PATTERN})\s*(?:\(|of )?rice(?: to |:| : |/)(?P<what>water|stock|broth)\b",
        re.I,
    ),
    lazy(
        rf"(?P<rice>{NUMBER_PATTERN}) parts? (?:of )?rice (?:to|and|:) (?P<wet>{NUMBER_PATTERN})(?: parts?)?(?: of)? (?P<what>water|stock|broth)\b",
        re.I,
    ),
)


# "water (2 parts to 1 of rice)", "add water in the ratio 1:1.5": a pot has more of water than of grain
_RATIO_BEHIND = (
    lazy(
        rf"\b(?P<what>water|stock|broth)\s*(?P<all>\(?(?P<wet>{NUMBER_PATTERN}) parts?(?: of (?:water|it))?(?: to|,| for(?: every)?) (?P<rice>{NUMBER_PATTERN}) (?:parts? )?(?:of )?(?:the )?rice\)?)",
        re.I,
    ),
    lazy(
        rf"\b(?P<what>water|stock|broth),?\s+(?P<all>(?:in|at|using) (?:the |an? )(?:ratio|proportion)(?: of)? (?P<rice>{NUMBER_PATTERN})\s*(?::|to)\s*(?P<wet>{NUMBER_PATTERN})(?![\w:]))",
        re.I,
    ),
)
# "water 1 : 1.75", "stock - 1:2"
_ONE_TO = lazy(rf"\b1\s?:\s?(?P<times>{NUMBER_PATTERN})(?=\s*(?:$|[(,;]))")


def _by_the_rice(text: str) -> tuple[float, int, int] | None:
    """(times the grain's volume, start, end) of a line that names its liquid before, or None."""
    m = ingredients.BY_THE_RICE.search(text) or _ONE_TO.search(text)
    times = _times(m["times"]) if m else None
    return None if m is None or times is None else (times, m.start(), m.end())


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
        before = len(m[0][: m.start("what") - m.start()].rstrip(" :/"))
        return [ingredients.liquid(len(lines), m[0], m.start(), "", m["what"], kind, times * volume, Span(0, before))]
    for n, piece in enumerate(laid.steps):
        for m in (m for p in _RATIO_BEHIND for m in p.finditer(piece.text[:4000])):
            kind = ingredients.kind_of(m["what"])[0]
            try:
                wet, rice = (number_range(m[k])[0] for k in ("wet", "rice"))
            except ValueError:
                continue
            times = max(wet, rice) / (min(wet, rice) or 1.0)
            if kind is None or not 0.8 <= times <= 6:
                continue
            amount = Span(m.start("all") - m.start(), len(m[0]))
            at = piece.span.start + m.start()
            return [ingredients.liquid(len(lines), m[0], at, f"step {n + 1}", m["what"], kind, times * volume, amount)]
    return []


# "fill the coconut tin once with water", "two (empty) tins of water"
_TIN_OF_WATER = lazy(
    r"\b(?:(?:re)?fill|swill out|rinse out)(?:ing)? (?:(?:one of (?:the|those|your)|the|that|this|your|an?|one|1) )?(?P<both>both (?:of )?(?:(?:the|those) )?)?(?:(?:empty|emptied|same|used) )?(?:(?P<what>coconut|tomato|bean)s?(?: milk)? )?(?:tin|can)s?(?P<twice> twice)?(?P<half>,? (?:about |only )?(?:half|1/2|½)(?:[ -]?way| full| up)?)?(?:,? (?:about |to )?(?P<so>three[- ]quarters?|two[- ]thirds|3/4|2/3|¾|⅔)(?: full| of the way| up)?)?(?: (?:once|up|again))*(?: and \w+)?(?: with| w/?| of) (?P<kind>(?:(?:cold|hot|boiling|warm|fresh) )?(?:water|stock))\b(?:,? (?P<times>twice|(?:one|two|three|\d)(?: and a half)? times))?(?P<not>,?(?: but)? not (?:all the way|quite(?: full)?|to the top|full)(?:,? (?:like|about|say|just|only|maybe))*(?:,? (?P<part>three[- ]quarters?|half|two[- ]thirds|¾|½|⅔)(?: full| of it)?)?)?",
    re.I,
)

# "the same tin filled with water twice"
_SAME_TIN = lazy(
    r"\b(?:the|that) (?:same |empty )?(?:tin|can),? (?:re)?filled(?: up)?(?P<half> half(?:way)?)?(?: (?P<so>three[- ]quarters?|two[- ]thirds|3/4|2/3|¾|⅔)(?: full)?)?(?: with| w/?) (?P<kind>(?:(?:cold|hot|boiling|warm|fresh) )?(?:water|stock))\b(?:,? (?P<times>twice|once|(?:two|three|\d)(?: and a half)? times))?",
    re.I,
)

# "a tinful of water"
_TINFUL = lazy(
    r"\b(?:(?P<half>half an?)|(?P<times>two|three|2|3)|an?|one|1|another|the same) (?:(?P<what>coconut|tomato|bean)s?(?: milk)? )?(?:tin|can)[ -]?full?s? of (?P<kind>(?:(?:cold|hot|boiling|warm|fresh) )?(?:water|stock))\b",
    re.I,
)

# "Tin of tomatoes", of which no line is made
_A_TIN = lazy(r"\b(?:tin|can)\b", re.I)
_ANY_TIN = lazy(r"\b(?:tin|can) of\b", re.I)
_TIMES = {"twice": 2.0, "one": 1.0, "two": 2.0, "three": 3.0, "1": 1.0, "2": 2.0, "3": 3.0}
_PARTS = {
    "three quarter": 0.75,
    "3/4": 0.75,
    "¾": 0.75,
    "half": 0.5,
    "½": 0.5,
    "two third": 2 / 3,
    "2/3": 2 / 3,
    "⅔": 2 / 3,
}


def _tins_of_water(lines: Sequence[Line], laid: Structure) -> list[Line]:
    """Water that a step measures with the tin of another thing: as much as that tin held."""
    for n, piece in enumerate(laid.steps):
        said = piece.text[:4000]
        m = _TIN_OF_WATER.search(said) or _TINFUL.search(said) or _SAME_TIN.search(said)
        if m is None:
            continue
        made = _tin_of_water(
            m, lines, len(lines), piece.span.start, f"step {n + 1}", bool(_ANY_TIN.search(piece.text[: m.start()]))
        )
        if made:
            return [made]
    return []


def _tin_of_water(
    m: re.Match[str], lines: Sequence[Line], index: int, start: int, section: str, any_tin: bool = False
) -> Line | None:
    """The water a tin is filled with, as a line; None if nobody can tell which tin. any_tin: one was spoken of that no line holds."""
    tins = [ln for ln in lines if (ln.ml or ln.g) and (ln.unit == "tin" or _A_TIN.search(ln.text))]
    said = {k: v.lower() for k, v in m.groupdict().items() if v}
    named = [ln for ln in tins if "what" in said and said["what"] in ln.text.lower()] or tins
    kind = ingredients.kind_of(said["kind"])[0]
    if kind is None or not (named or any_tin):
        return None
    # "400 ml tin coconut milk" counts no tins
    many = max(1.0, named[0].quantity or 1.0) if named and named[0].unit == "tin" else 1.0
    one = (named[0].ml or named[0].g or 0.0) / many if named else USUAL_TIN
    # to the word before the blank
    before = len(m[0][: m.start("kind") - m.start()].rstrip())
    told = said.get("part") or said.get("so") or ""
    part = 0.5 if "half" in said else _PARTS.get(told.replace("-", " ").removesuffix("s"), 1.0)
    times = _TIMES.get(said.get("times", "").split(" ")[0], 1.0) + (0.5 if "half" in said.get("times", "") else 0.0)
    ml = one * (2 if "twice" in said or "both" in said else part * times)
    # of a line of the list "twice" goes with the tin
    text = m[0] if section.startswith("step ") else m[0][: m.end("kind") - m.start()]
    return ingredients.liquid(index, text, start + m.start(), section, m["kind"], kind, ml, Span(0, before))


def related(lines: list[Line], laid: Structure, source: int | None) -> list[Line]:
    """The lines with what is told by the source's volume counted in ml, and the water that stands in no line but is told so beside them, at the list's end."""
    if source is None or not lines[source].ml:
        return lines
    volume = lines[source].ml or 0.0
    heavy = (lines[source].g or volume) / volume
    out = []
    for ln in lines:
        filled = _TIN_OF_WATER.search(ln.text[:80]) or _SAME_TIN.search(ln.text[:80]) if ln.ml is None else None
        if filled and (made := _tin_of_water(filled, lines, ln.index, ln.span.start, ln.section)):
            out.append(made)
            continue
        # "1½ times the rice in stock (about 600 ml)" says both
        both = bool(ln.fraction and ln.ml and ingredients.BY_THE_RICE.match(ln.text))
        told = (_relation(ln.text, heavy) or _by_the_rice(ln.text)) if both or (ln.fraction and ln.ml is None) else None
        if told:
            ml = ln.ml if both and ln.ml else told[0] * volume
            ln = ln.with_(
                ml=ml, g=ml, water=ml * ln.fraction, quantity=ml, unit="ml", amount_span=Span(told[1], told[2])
            )
        out.append(ln)
    if not any(ln.kind in ("water", "stock") and ln.ml for ln in out):
        # beside the milk or the tomatoes that the tin held
        out += _tins_of_water(out, laid)
    if any(ln.carrier and ln.ml for ln in out):
        return out
    out += _by_ratio(out, laid, volume)
    if any(ln.carrier and ln.ml for ln in out):
        return out
    for n, piece in enumerate(laid.steps):
        told = _relation(piece.text, heavy)
        liquid = told and re.match(
            r"\s*(?:the )?((?:[a-z]+ ){0,2}?(?:water|stock|broth|milk))\b", piece.text[told[2] :], re.I
        )
        kind = ingredients.kind_of(liquid[1])[0] if liquid else None
        if not told or not liquid or kind is None:
            continue
        said = piece.text[told[1] : told[2] + liquid.end()]
        out.append(
            ingredients.liquid(
                len(out),
                said,
                piece.span.start + told[1],
                f"step {n + 1}",
                liquid[1],
                kind,
                told[0] * volume,
                Span(0, told[2] - told[1]),
            )
        )
        break
    return out
