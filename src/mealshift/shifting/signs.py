"""Water told by a sign and no amount: a line of the pot, the first knuckle, its depth over the rice. It is right for that rice only.

"pour in water until it stands 2 cm above the rice"      for quinoa: "pour in water (650 ml)"
"""

from __future__ import annotations

import re
from functools import lru_cache

from ..quick import found_in, lazy, quick
from ..reading.dish import FILLED_TO_A_LINE
from ..reading.names import find_grains

_DEPTH = r"(?:\d+(?:[.,]\d+)?(?:\s?[-–]\s?\d+(?:[.,]\d+)?)?|[½¼¾1]\s?½?|an?|one|two|half an?)\s?-?(?:cms?|mms?|centimet\w+|inch(?:es)?|\"|fingers?(?:'s?)?(?: ?(?:width|breadth|joint)s?)?|knuckles?|joints?|thumb'?s?(?: width)?)"
# how much water, told by a line of the pot, a finger, or its depth over the grain
_SIGN = quick(
    r"(?:(?:up )?to|until|till|(?:(?:until|till|so) (?:that )?(?:it|the water|the level) )?reach(?:es|ing)?) (?:the |a |your )?(?:(?:number |no\. ?|brown |white )?[\"“'‘]?(?:\d+(?:\.5)?|one|two|three|four)[\"”'’]?(?:[ -]?(?:cups?|gou?|gō))?[ -](?:line|mark|level)|(?:line|mark|level|scale) (?:for |of )?(?:\d+|one|two|three|four)(?: cups?| gou?| gō)?)\b(?: (?:of|on|in) the (?:inner )?(?:bowl|pot|cooker))?"
    r"|(?:sampai|hingga) (?:garis|tanda) \d\b|hasta (?:la|el) (?:línea|linea|marca|nivel)(?: de(?:l| los| las)?)? \d\b|jusqu['’ ](?:à la|au) (?:ligne|trait|repère|niveau) \d\b|bis zu[rm] (?:\d(?:er)?[- ]?)?(?:linie|markierung|strich)(?: \d)?\b"
    r"|(?:(?:until|till|so) (?:that )?(?:it|the water|the level) )?(?:reach(?:es|ing)?|com(?:es|ing)|go(?:es|ing)|is )?\s?(?:up )?(?:to )?(?:about )?(?:the |your )?(?:(?:first|1st|second|2nd|top) )?(?:knuckle|finger joint|joint of)\b(?: (?:of |on )?(?:your|the|an?|my)(?: index| middle| fore| pointer)? ?finger)?(?: (?:above|over) the (?:rice|grain))?"
    rf"|(?:until|till|so) (?:that )?(?:it|the water|the level|you have)(?: is| stands| comes| reaches| covers| sits| rises| goes)?[^.;,]{{0,24}}?{_DEPTH}(?: deep)?(?: (?:above|over|higher than|on top of)(?: the)?(?: (?:rice|grains?|it|them))?)?"
    rf"|(?:by|to) (?:about |abt |around |roughly |some )?{_DEPTH}(?: (?:above|over|on top of)(?: the)?(?: (?:rice|grains?|it))?)?"
    rf"|{_DEPTH} (?:above|over|higher than)(?: the (?:rice|grains?|surface(?: of the rice)?)| (?:it|rice|grains?)\b)?",
    re.I,
)
# "fill with water to the line", where the list tells the water by it
_TO_THE_LINE = lazy(
    r"\b(?:up )?to the (?:(?:(?:sushi|white|brown|plain|mixed)[ -]?)?rice )?(?:line|mark|level)\b(?! of)(?: (?:of|on|in) the (?:inner )?(?:bowl|pot|cooker))?",
    re.I,
)
# "pour in water to come 2 cm above the rice"
_TO_COME = lazy(
    r"\b(?:to|(?:so that|until|till|so) (?:it|the water)) (?:comes?|reach(?:es)?|stands?|rises?)(?: up)?(?: to| by)?(?: about| some| around)? ?$",
    re.I,
)
_POURED_ON = lazy(r"\b(?:water|stock|broth|dashi|soup|liquid|air|agua|eau|wasser|acqua|água)\b", re.I)
_IS_FILLED = lazy(
    r"\bfill(?: (?:it|the (?:inner )?(?:pot|bowl|pan|cooker)|this))?(?: up)?(?: (?:right|just|exactly))?\s*$", re.I
)
_TO_SOAK = lazy(r"\bsoak|\bsteep|\bstand\b|\bdrain|\brins\w*(?![^,.;]{0,16}\bcook)[^,.;]{0,20}\bin\b", re.I)

# "water to the line, soak 30 min, then press start": it is cooked in that water
_THEN_STARTED = lazy(r"^(?:(?!\bdrain).)*\b(?:press|start|switch|turn|push)\w*\b", re.I)


@lru_cache(maxsize=2048)
def in_step(text: str) -> tuple[int, int] | None:
    """Where a step tells the pot's water by a sign; None if it does not, or is it the water of a soak."""
    if not _POURED_ON.search(text) and not FILLED_TO_A_LINE.search(text):
        # most steps, and far quicker to see
        return None
    for m in (*_SIGN.finditer(text), *_TO_THE_LINE.finditer(text)):
        # "to stand 1.5 cm above the rice" is no standing in it
        before = re.sub(r"\bto stand\s*$", "", re.split(r"[.;!?]\s", text[: m.start()])[-1])
        after = re.split(r"[.;!?](?:\s|$)", text[m.end() :])[0]
        soaks = _TO_SOAK.search(before + after[:60]) and not _THEN_STARTED.search(after)
        if (_POURED_ON.search(before) or _IS_FILLED.search(before)) and not soaks:
            # the blanks before it stay
            start = m.start() + len(m[0]) - len(m[0].lstrip())
            stands = _TO_COME.search(text[:start])
            return stands.start() if stands else start, m.end()
    return None


def is_filled(text: str, at: int) -> bool:
    """Does the sign at that place say how far the pot is filled, and not with what: "fill to the 2 mark"?"""
    return _IS_FILLED.search(text[:at]) is not None


def of_the_grain(text: str, place: tuple[int, int]) -> bool:
    """Does the sign at that place measure the water by the grain: "1.5 cm above the rice"?"""
    return bool(find_grains(text[place[0] : place[1] + 16]))


def level(text: str) -> re.Match[str] | None:
    """ "liquid should be about 1 inch above the rice": depth is the number n with its unit; None if the step says no such thing."""
    return next(iter(found_in(_LEVEL, text)), None)


@lru_cache(maxsize=2048)
def same_level(text: str) -> tuple[tuple[int, int], ...]:
    """ "The liquid should be at the same level with the rice.": true of that rice's water only, and a sentence of its own."""
    return tuple(m.span() for m in _SAME_LEVEL.finditer(text))


_AT_THE_RICE = r"(?:water|liquid|stock|broth)\b[^.;!?,]{0,16}\b(?:should|must|is|be)\b[^.;!?,]{0,24}\b(?:same level|level with|just cover\w*)\b[^.;!?,]{0,24}\b(?:rice|grains?|it)\b"
_SAME_LEVEL = lazy(
    rf"(?:(?<=[.!?] )|^)(?:the |your )?{_AT_THE_RICE}[^.;!?]{{0,90}}(?:[.!?]+\s*|$)"
    # "Add rice, the liquid should be at the same level as the rice."
    rf"|,\s*(?:the |your ){_AT_THE_RICE}(?=\s*(?:[.,;!?]|$))",
    re.I,
)
_LEVEL = lazy(
    r"\b(?:water|liquid|stock|broth|level|it(?= should))\b[^.;!?,]{0,28}?\b(?:should|must|ought to|is|be|stand|stands|come|comes|sit|sits)\b[^.;!?,]{0,16}?"
    r"(?P<depth>(?P<n>\d+(?:[.,]\d+)?|[½¼¾]|1\s?½|an?|one|two|half an?)\s?-?(?P<unit>cms?|mms?|inch(?:es)?))\s(?:above|over|higher than)\b",
    re.I,
)


@lru_cache(maxsize=2048)
def asides(text: str) -> tuple[tuple[int, int], ...]:
    """What of a step only says what a stated amount came to for that rice: "(it should come about 1 cm above the rice)", "…, so that it stands 2 cm above the rice"."""
    out = [m.span() for m in _ASIDE.finditer(text) if _SIGN.search(m[0])]
    place = in_step(text)
    if place and not any(a <= place[0] < b for a, b in out) and _SAYS_HOW_MUCH.match(text, place[0]):
        joint = _JOINED.search(text, 0, place[0])
        start = joint.start() if joint else place[0]
        # a sentence that says nothing else is left as it is
        if _POURS.search(re.split(r"[.;!?]\s", text[:start])[-1]):
            out.append((start, place[1]))
    return tuple(sorted(out))


_SAYS_HOW_MUCH = quick(r"(?:until|till|so|by|to|up to)\b", re.I)
_JOINED = lazy(r"[\s,;]*(?:\b(?:or|and|enough|just|about)\b[\s,]*)*$", re.I)
_POURS = quick(r"\b(?:pour|add|put|ladle|tip|fill|cover|stir|top)\w*\b", re.I)


_ASIDE = lazy(
    r"\s*\((?:(?:it|the (?:water|liquid|broth|stock)|this|which) )?(?:should|will|must|to|up|about|until|reach\w*|com\w+)\b[^().;]{0,60}\)",
    re.I,
)
