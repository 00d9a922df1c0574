"""Whatever was pasted as plain text, letter for letter in its place.

Everything later works on the plain text and marks places in it; the screen shows the text as it was brought. So nothing is added or
taken away here: every letter becomes exactly one letter, and a place in one is the same place in the other. Signs that only decorate
(bullets, boxes, emoji, bold marks, quote marks, the stamp of a chat line) become blanks; look-alikes (full-width digits, curly quotes) become
what they stand for.

A case by hand: "☐ 2 cups rice" → "  2 cups rice"; "1️⃣ Rinse" → "1. Rinse"; "[21:05] ML: 6 cups water" → "            6 cups water".
"""

from __future__ import annotations

import re
import unicodedata
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from ..quick import lazy, quick

_BULLETS = "•▪▫◦‣·∙●○■□▢☐☑☒✓✔✅✗►▸▹▶→➤➜➢❖◆◇★☆♦⁃*¤"
_BLANK = "\u00a0\u2000\u2001\u2002\u2003\u2004\u2005\u2006\u2007\u2008\u2009\u200a\u202f\u205f\u3000\t\u200b\u200c\u200d\u2060\ufeff\ufe0f\u00ad"
_SAME = {
    **dict.fromkeys(map(ord, _BLANK), " "),
    **{0xFF01 + i: chr(0x21 + i) for i in range(94)},
    **dict.fromkeys(map(ord, "‘’‛`´ʼ′"), "'"),
    **dict.fromkeys(map(ord, "“”„‟″"), '"'),
    ord("⁄"): "/",
    ord("∕"): "/",
    ord("×"): "x",
    ord("✕"): "x",
    ord("º"): "°",
    ord("˚"): "°",
    ord("‐"): "-",
    ord("‑"): "-",
    ord("‒"): "–",
    ord("−"): "–",
    ord("〜"): "~",
    ord("～"): "~",
    ord("，"): ",",
    ord("。"): ".",
    ord("、"): ",",
    # notes join their steps with arrows
    **dict.fromkeys(map(ord, "→⇒➔➝⟶➡"), ";"),
    **{0x2460 + i: str(i + 1)[-1] for i in range(9)},
    **{0x2776 + i: str(i + 1) for i in range(9)},
}
_KEYCAP = lazy("([0-9])(\ufe0f?)\u20e3")
_STAMP = lazy(
    r"^\s*(?:\[[^\]\n]{3,24}\]|\(?\d{1,2}:\d\d(?::\d\d)?\)?(?:\s?[ap]m)?|\d{1,4}[/.-]\d{1,2}[/.-]\d{1,4},?\s+\d{1,2}[:.]\d\d(?::\d\d)?(?:\s?[ap]m)?)"
    r"\s*(?:[-–]\s*)?(?:[^\W\d_][\w .'+]{0,24}:\s|(?=\S))"
    # "mum 17:40: and how long?"
    r"|^\s*[^\W\d_][\w.'+]{0,14}(?: [^\W\d_][\w.'+]{0,14})? \(?\d{1,2}:\d\d(?: ?[ap]m)?\)? ?[:>–-]\s+",
    re.I,
)
_QUOTED = lazy(r"^(?:\s{0,3}>)+\s?")
# an arrow, or what is left of one, points at a line of a list
_LEAD = lazy(
    rf"^\s*(?:[»›]\s+|;\ufe0f?\s*|[{re.escape(_BULLETS)}+-]\s+|[{re.escape(_BULLETS)}]+\s*|\[[ xX]?\]\s*|[-–—]\s*(?=\w))+"
)


@dataclass(frozen=True, slots=True)
class TextLine:
    """One line that is not blank: its place in the text, how far its decoration reaches, and what is left of it.

    start, end: without surrounding blanks. marks: the decoration before it ("-", "#", ">", "12:04 Ana:"). number: of a numbered line.
    blank_before: blank lines above it. indent: columns before it.
    """

    index: int
    start: int
    end: int
    text: str
    marks: str = ""
    number: int | None = None
    blank_before: int = 0
    indent: int = 0
    heading: bool = False
    bold: bool = False
    row: bool = False
    cells: int = 0


def plain(brought: str) -> str:
    """The text with every letter in its place; see above. Lines stay lines."""
    text = _KEYCAP.sub(lambda m: m[1] + "." + " " * (len(m[0]) - 2), brought)
    text = text.translate(_SAME)
    if not text.isascii():
        text = "".join("•" if ord(c) > 0x2000 and _decorates(c) else c for c in text)
    text = _CAN_NUMBER.sub(lambda m: f"({_CAN_OUNCES[m['n'].replace(' ', '')]}oz)".ljust(len(m[0])), text)
    return _STARS.sub(lambda m: " " * len(m[0]), text)


# what American cans of a number hold, as canners' tables of the last century have it
_CAN_OUNCES = {"1": 10, "300": 14, "303": 16, "2": 20, "2½": 29, "21/2": 29, "3": 46, "10": 96}
_CAN_NUMBER = lazy(r"\bNo\. (?P<n>300|303|2 ?1/2|2½|10|[123])\s(?=(?:cans?|tins?)\b)", re.I)


# stops that were spoken: so many, and it was dictated
LEAST_DICTATED = 4
_STOP_OF = {"comma": ",", "period": ".", "full stop": ".", "colon": ":", "new line": "\n", "new paragraph": "\n\n"}
_SAID_STOPS = quick(r"(?:(?<=\w)[ ]|^|(?<=\n))(comma|period|full stop|new line|new paragraph|colon)\b", re.I)


_FORUM_MARK = lazy(r"\[/?(?:quote|b|i|u|s|url|img|size|colou?r|list|spoiler|code|center|\*)(?:=[^\]\n]{0,60})?\]", re.I)


def written(spoken: str) -> str:
    """Words that were spoken to a machine that wrote every stop as a word, with the stops in their places; any other text as it is.

    >>> written("rinse the rice comma twice period boil comma lid on period")
    'rinse the rice, twice. boil, lid on.'
    """
    if "[/" in spoken:
        # a forum's marks: "[quote=anna]how do you …[/quote]"
        spoken = _FORUM_MARK.sub("", spoken)
    if len(_SAID_STOPS.findall(spoken)) < LEAST_DICTATED:
        return spoken
    text = _SAID_STOPS.sub(lambda m: _STOP_OF[m[1].lower()], spoken)
    return re.sub(r"[ ]*\n[ ]*", "\n", text)


def _decorates(c: str) -> bool:
    if c in _BULLETS or c in "–—‘’“”•…€™":
        return False
    return unicodedata.category(c) in ("So", "Sk", "Cs", "Co", "Cn", "Mn", "Cf")


# bold and slanted marks, not the star of a bullet
_STARS = lazy(r"\*\*|__|(?<=[^\s*])\*(?=[\s.,;:!?)]|$)|(?<=\s)\*(?=[^\s*])", re.M)


_NUMBERED = lazy(
    r"^(?P<c>[\u2460-\u2473\u24f5-\u24fe\u2776-\u2793])\s*(?=\S)|^(?:step\s*)?\(?(?P<n>\d{1,3})(?:\s?[.):\]]+(?!\d)|/ (?=[a-z])|\s*[-–]\s+|\s*\|)\s*(?=\S)|^step\s+(?P<w>\d{1,2})\b[\s:.-]*|^(?P<f>first|second|third|fourth|fifth|sixth|seventh|then|next|finally|lastly)\s*[,:]\s*",
    re.I,
)
# "3 Add sugar": a number alone counts as one if a capital letter follows that begins a verb, not "3 Onions"
# in a row of a table the letter after it may be small
SMALL_NUMBER = lazy(r"^(?P<n>\d{1,2})\s+(?=[a-z]{2,}\s)")
BARE_NUMBER = lazy(r"^(?P<n>\d{1,2})(?:\s+(?=[A-Z][a-z]+\b|[A-Z]{3,}[\s.:])|\t+\s*(?=[a-z]{2,}\s))")


_SPEAKER = lazy(r"^\s*(?P<who>[A-Z][\w.'’+-]{1,14}(?: [A-Z][\w.]{0,12})?):\s(?=\S)")
# so many lines must be said by somebody, and so large a part of all
LEAST_SAID, MOSTLY = 5, 0.6
LEAST_IN_TURNS, ALL_BUT_ONE, MOST_TALK = 3, 0.85, 4
# what stands before a colon and talks not: "Rice: 2 cups", "Step 1: …"
_A_PART = quick(
    r"\b(?:rice|grain|sauce|salad|dressing|topping|filling|marinade|garnish|chicken|beans?|stock|broth|water|step|stage|day|notes?|tip|serves?|prep|cook|time)\b",
    re.I,
)


def _speakers(text: str) -> frozenset[str]:
    """Who talks in a chat without stamps: few names, each before several lines, before most lines of all."""
    lines = [ln for ln in text.split("\n") if ln.strip()]
    said = Counter(m["who"] for ln in lines if (m := _SPEAKER.match(ln)))
    who = {name for name, n in said.items() if n >= 2}
    total = sum(said[name] for name in who)
    most = max(said.values(), default=0)
    talks = most >= LEAST_SAID and total >= MOSTLY * len(lines)
    # a short one, in which two or more take turns and nobody else says a line
    in_turns = 1 < len(said) <= MOST_TALK and most >= LEAST_IN_TURNS and said.total() >= ALL_BUT_ONE * len(lines)
    if in_turns and not any(_A_PART.search(name) for name in said):
        return frozenset(said)
    return frozenset(who) if len(who) <= MOST_TALK and talks else frozenset()


# the lead cell of a table's row: "| 200 | g | rice |" has an amount there, "| 2 | Add the stock |" a step's number
_LEAD_CELL = lazy(r"\s*\|?\s*(\d{1,4})\s*\|")


def _ordered_rows(lines: Sequence[str]) -> frozenset[int]:
    """The rows of tables whose first cells count one, two, three …; a number alone in its table counts steps too."""
    out: set[int] = set()
    run: list[tuple[int, int]] = []
    for n, ln in enumerate([*lines, ""]):
        if ln.count("|") >= 2:
            if m := _LEAD_CELL.match(ln):
                run.append((n, int(m[1])))
        elif run:
            if all(b == a + 1 for (_, a), (_, b) in pairwise(run)):
                out.update(n for n, _ in run)
            run = []
    return frozenset(out)


_RULED = lazy(r"(?=[^|]*\|)[\s|:=+-]*--[\s|:=+-]*")
_CIRCLED = frozenset(chr(c) for r in ((0x2460, 0x2474), (0x24F5, 0x24FF), (0x2776, 0x2794)) for c in range(*r))


def lines_of(text: str, brought: str = "") -> list[TextLine]:
    """The lines of a plain text that are not blank, each with what decorated it taken off. brought: the text it was, for its bold marks."""
    out: list[TextLine] = []
    speakers = _speakers(text)
    ordered = _ordered_rows(text.split("\n"))
    offset = blank = 0
    for n, (raw, was) in enumerate(zip(text.split("\n"), (brought or text).split("\n"), strict=False)):
        start, offset = offset, offset + len(raw) + 1
        # "> >" is a blank line of a quoted mail, "| --- | --- |" a table's rule
        if not raw.strip(" \t>") or _RULED.fullmatch(raw):
            blank += 1
            continue
        at = 0
        marks = ""
        heading = False
        for pattern in (_QUOTED, _STAMP, _LEAD):
            if m := pattern.match(raw[at:]):
                marks += m[0].strip()
                at += m.end()
        if speakers and (m := _SPEAKER.match(raw[at:])) and m["who"] in speakers:
            marks += m[0].strip()
            at += m.end()
        body = raw[at:]
        if m := re.match(r"\s*#{1,6}\s*", body):
            heading, at = True, at + m.end()
            marks += "#"
        row = raw.count("|") >= 2
        bold = bool(re.match(r"\s*(?:\d+[.)]\s*)?(?:\*\*|__)(?=\S)", was))
        inner = raw[at:].rstrip()
        lead = len(inner) - len(inner.lstrip(" |•_"))
        at += lead
        inner = inner.strip(" |•_")
        number = None
        if was[at : at + 1] and was[at] in _CIRCLED:
            # "①", a plain figure by now
            number = int(unicodedata.numeric(was[at]))
            left = inner[1:].lstrip()
            at += len(inner) - len(left)
            inner = left
        elif (m := _NUMBERED.match(inner)) and not (row and n not in ordered and _LEAD_CELL.match(inner)):
            number = int(m["n"] or m["w"] or unicodedata.numeric(m["c"] or "0"))
            at += m.end()
            inner = inner[m.end() :].strip()
        out.append(
            TextLine(
                len(out),
                start + at,
                start + at + len(inner),
                inner,
                marks,
                number,
                blank if out else 0,
                len(raw) - len(raw.lstrip()),
                heading,
                bold,
                row,
                raw.strip().strip("|").count("|"),
            )
        )
        blank = 0
    return out


_CUT_WORD = quick(r"(?P<a>(?<![\w-])[^\W\d_]{2,})-[ \t]*\n\s*(?P<b>[a-zà-ÿ]{2,})")
# what keeps its hyphen wherever the line ends
_HYPHENED = frozenset(
    [
        "half",
        "long",
        "short",
        "medium",
        "low",
        "high",
        "well",
        "pre",
        "semi",
        "non",
        "self",
        "all",
        "full",
        "part",
        "deep",
        "stir",
        "slow",
        "sun",
        "free",
        "extra",
        "two",
        "three",
        "four",
        "bite",
        "room",
        "heavy",
        "thick",
        "thin",
        "fine",
        "over",
        "skin",
        "bone",
        "oven",
        "pan",
    ]
)


_QUOTE_MARKS = lazy(r"^(?:[ \t]{0,3}>)+|(?<=\n)(?:[ \t]{0,3}>)+")


def joined(told: str) -> str:
    """Lines made one, letter for letter as long as they were: a newline becomes a blank, and a word cut at the line's end is whole again, blanks before it.

    >>> joined("in salt-\\ned water"), joined("into half-\\nmoons")
    ('in   salted water', 'into  half-moons')
    """
    if "-" in told:

        def whole(m: re.Match[str]) -> str:
            word = m["a"] + ("-" if m["a"].lower() in _HYPHENED else "") + m["b"]
            return word.rjust(len(m[0]))

        told = _CUT_WORD.sub(whole, told)
    if ">" in told:
        # the marks of a quoted mail's lines
        told = _QUOTE_MARKS.sub(lambda m: " " * len(m[0]), told)
    return told.replace("\n", " ")
