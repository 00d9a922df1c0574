"""Words for the vessel a recipe cooks its grain in, where another way of cooking wants another: a roasting tin in a recipe for the rice cooker."""

from __future__ import annotations

import re

from ..quick import lazy, quick
from .wording import Edit

_SIZED = r"(?:(?:large|deep|wide|small|big|medium|greased|buttered|lidded|heavy|shallow|glass|pyrex|ceramic|oven-?proof|(?:microwave|heat)[- ]?(?:safe|proof)|\d+[- ](?:quart|litre|liter|cm|inch))[ ,]+){0,4}"
# what a recipe of each way calls its vessel
_OF_WAY = {
    "oven": quick(
        rf"{_SIZED}(?:roasting (?:tin|pan|dish|tray)|baking (?:dish|tin|pan|tray)|casserole(?: dish)?|oven(?:-?proof)? dish|traybake tin|9 ?[x×] ?13(?:[\"″]|[- ]inch)?(?: (?:(?:baking|roasting) )?(?:pan|dish|tin))?|(?<=in the )dish|(?<=into the )dish|(?<=to the )dish)\b",
        re.I,
    ),
    "microwave": quick(rf"{_SIZED}(?:bowl|jug|container|casserole(?: dish)?|dish)\b", re.I),
    "rice-cooker": quick(
        r"(?:inner )?(?:bowl|pot|insert|pan) of (?:the|your|a) (?:rice[- ]?)?cooker\b|(?:rice[- ]?)?cooker(?:'s)?(?: (?:bowl|pot|insert))?\b(?! (?:cups?|on|cycle|to|setting|mode)\b)",
        re.I,
    ),
    "slow-cooker": lazy(r"slow[- ]?cooker\b|crock[- ]?pot\b", re.I),
    "pressure": lazy(r"(?:stove-?top )?(?:pressure[- ])?cooker\b", re.I),
    "electric-pressure": lazy(
        r"(?:electric )?(?:pressure|multi)[- ]?cooker\b|instant pot\b|(?:inner )?pot of (?:the|your) (?:pressure[- ])?cooker\b",
        re.I,
    ),
}
# … and what stands for it then
_NOW = {
    "oven": "baking dish",
    "microwave": "deep microwave bowl",
    "rice-cooker": "rice cooker",
    "pressure": "pressure cooker",
    "electric-pressure": "electric cooker",
}
_POT = "pot"
# "Butter a 20 cm dish", "Grease a 9x13"
GREASED = quick(
    rf"\b(?:butter|grease|oil) (?P<a>an?|the|your) {_SIZED}(?:baking |oven(?:-?proof)? |roasting |pie[- ]?)?(?:dish|tin|pan|tray|casserole(?: dish)?|9 ?[x×] ?13(?:[\"″]|[- ]inch)?(?: (?:(?:baking|roasting) )?(?:pan|dish|tin))?)\b",
    re.I,
)
# letters before a vessel's name in which its article stands
NEAR = 12
_DETERMINED = lazy(r"\b(?P<the>the|an?|your|my|its|their)\s+$", re.I)
_INTO = lazy(r"\b(?:in|into|to|inside)\s+$", re.I)
_SWITCHED_ON = lazy(
    r"\b(?:turn|switch) (?:the |your )?(?:rice[- ]?)?cooker on\b|\b(?:turn|switch) on (?:the |your )?(?:rice[- ]?)?cooker\b",
    re.I,
)
# the keys of an electric cooker, and what is done at the stove instead
_KEYS = (
    (
        quick(
            r"\b(?:press|hit|select|set|turn|switch|push|use|choose)\b[^.;,!()]{0,24}?\bsaut[eé]\b(?: (?:function|mode|button|setting|key))?(?: \((?:normal|medium|high|more)\))?(?=\s*(?:[.,;:!)]|$|and\b))",
            re.I,
        ),
        "heat {it} over medium heat",
    ),
    (
        quick(
            r"(?:^|(?<=[.;!] ))cancel(?=\s*(?:[.;,!]|$))|\b(?:press|hit|push) (?:the )?(?:cancel|off|keep warm/cancel)\b(?: (?:button|key))?",
            re.I,
        ),
        "turn the heat off",
    ),
)
# ways in which what is fried first is fried in the vessel itself
_FRIES_IN_IT = ("covered", "open", "soup", "drain", "steam", "pressure")
# "Taco rice in the rice cooker", "Microwave lemon rice"
_IN_TITLE = quick(
    r",? (?:in|from) (?:the|a|your|my) (?:rice cooker|microwave|oven|pressure cooker|instant pot|electric cooker)\b|, steamed$|^(?:microwaved?|rice[- ]cooker|pressure[- ]cooker|instant[- ]pot|oven[- ]baked)\s+(?=[^\W\d_])",
    re.I,
)


def vessel_edits(text: str, was: str, now: str, start: int = 0, end: int | None = None) -> list[Edit]:
    """The vessel of one way of cooking called by the other's name, between two places of a step. was, now: the ways' slugs.

    >>> [e.new for e in vessel_edits("Mix it in a large roasting tin.", "oven", "rice-cooker")]
    ['a rice cooker']
    """
    vessel = _OF_WAY.get(was)
    if vessel is None or was == now:
        return []
    new, end = _NOW.get(now, _POT), len(text) if end is None else end
    if was == "oven" and (m := GREASED.search(text, start, end)):
        return [Edit(m.start("a"), m.end(), f"{_one(new) if m['a'] in ('a', 'an') else m['a']} {new}")]
    keyed = []
    for pattern, done in _KEYS if was == "electric-pressure" else ():
        done = done.format(it=f"the {new}" if now in _FRIES_IN_IT else "a pan")
        for m in pattern.finditer(text, start, end):
            keyed.append(Edit(*m.span(), done[:1].upper() + done[1:] if m[0][0].isupper() else done))
    on = _SWITCHED_ON.finditer(text, start, end) if was == "rice-cooker" else ()
    out = [Edit(*m.span(), f"set the {new} over medium heat") for m in on] if new == _POT else []
    for m in vessel.finditer(text, start, end):
        if any(e.start <= m.start() < e.end for e in keyed):
            # "set the Instant Pot to Sauté"
            continue
        shown = new[:1].upper() + new[1:] if m[0][0].isupper() else new
        before = max(0, m.start() - NEAR)
        said = _DETERMINED.search(text, before, m.start())
        if said and said["the"].lower() in ("a", "an"):
            one = _one(new)
            out.append(
                Edit(said.start("the"), m.end(), f"{one.capitalize() if said['the'][0].isupper() else one} {new}")
            )
        else:
            out.append(
                Edit(m.start(), m.end(), shown if said or not _INTO.search(text, before, m.start()) else f"the {new}")
            )
    return [*keyed, *out]


def _one(vessel: str) -> str:
    return "an" if vessel[0] in "aeiou" else "a"


def title_edits(title: str) -> list[Edit]:
    """A title that names the vessel of a way that was left, without it.

    >>> from .wording import apply
    >>> [apply(t, title_edits(t)).text for t in ("Taco rice in the rice cooker", "Microwave lemon rice")]
    ['Taco rice', 'Lemon rice']
    """
    out = []
    for m in _IN_TITLE.finditer(title):
        if m.start() == 0:
            out.append(Edit(0, m.end() + 1, title[m.end()].upper() if title[:1].isupper() else title[m.end()]))
        else:
            out.append(Edit(m.start(), m.end(), ""))
    return out
