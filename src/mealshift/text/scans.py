"""Letters a scan of a page misread, set right: "miIk", "rnilk", "sa1t" and "l½ cups".

A word is mended only to one that is known, and only if it is none itself: known are the words of the corpus' texts and the names of foods
(data/words_seen.txt, written by `make train-reading`). What no hand writes (a figure or a capital I within a word, "rn" before all) is mended
wherever it stands; what might be a word of another tongue only in a text that shows such a sign elsewhere.
Lines stay lines; the text may grow shorter, so this comes before anything marks a place in it.

>>> mended("2 cups rnilk, stir tvvice, l½ tsp. sa1t")
'2 cups milk, stir twice, 1½ tsp. salt'
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from functools import cache
from importlib.resources import files
from string import ascii_letters

from ..quick import lazy

# letters that are told from one another by a hair, one way and the other
_FIGURES = {"1": "li", "0": "o", "5": "s"}
_HAIRS = {"i": "lt", "l": "it", "t": "l"}
# so short a word has too many neighbours; so many signs of a scan and any word may be one of its own
LEAST_LETTERS, LEAST_BY_A_HAIR, ENOUGH_SIGNS, MOST_FIGURES = 3, 4, 2, 3
# … and none is so long
MOST_LETTERS = 24

_UNIT_AFTER = r"(?=\s+(?:c|C|soup|env|hrs?|hour|lg|sm|bunch|pint|quart|stalk|t|T|tsp|tbsp|lb|can|med|pkg|No|cup|qt|pt|oz|large|small|sticks?|cloves?|bay|egg|(?:table|tea)spoon(?:ful)?s?|pounds?|ounces?|slices?|heaping|heaped|level|scant|medium|onion|head|packages?|tin|glass|mug|whole|min\w*|rnin\w*)\b)"
# "1,5 l whole milk" are litres
# the letter itself stands first in each of these, for a text is looked through for it far sooner than for what stands before it
_ONE = lazy(
    rf"[lI|](?<![A-Za-z0-9'].)(?:(?=[½¼¾⅓⅔]|\s*/\s*[248]|\s+[lI1]\s*/\s*[248])|(?<!I)(?<![\d½¼¾⅓⅔][^\S\n].){_UNIT_AFTER})"
)
# "I can" is said by people as well
_I_FOR_ONE = lazy(rf"I(?<![A-Za-z0-9']I)(?<![\d½¼¾⅓⅔][^\S\n]I){_UNIT_AFTER}")
# "(l used brown)"
_L_FOR_I = lazy(
    r"(?<![A-Za-z0-9'])l(?= (?:used?|have|had|like|think|always|add|make|put|never|find|also|prefer|got|just|am|was|do|did|buy)\b)"
)
# not the l of "'7l": that is a year
_TEN = lazy(r"[lIO](?:(?<!O)(?<![A-Za-z0-9].)(?=[O0-9])|(?<=[0-9lI]O)(?<![A-Za-z][0-9]O)(?![A-Za-z]))")
_NUMBER_L = lazy(r"l(?:(?<=[0-9]l)(?=[0-9]|\s+(?:min|hour|to)\b)|(?<='[0-9]l)(?![\w]))")

_WORD = lazy(r"(?<![\w/])(?=[015]*[A-Za-z])[A-Za-z015]++(?!\w)")
_SIGNS = frozenset(f"{ascii_letters}015")
# what no hand writes
_SURE = lazy(
    r"(?=[015Ilrv])(?:(?<=[A-Za-z])[015]+[A-Za-z]|(?<=[a-z])I[a-z]|(?<=[a-z]{2})I\b|\bI[a-z]{2}|(?<=[A-Z])l[A-Z]|\brn|vv|\b[01][a-z]{3}|(?<=[a-z]{2})[01]\b|\b5[a-z]{3})"
)
_MAYBE = lazy(r"rn|[il]", re.I)
_ENDING = lazy(r"(?<=[a-z]{4})(?:ly|ing|e?d|e?s|ers?)$")


def misread(text: str) -> dict[str, str]:
    """Each word a scan misread, as it stands in the text, with the word that stands on the page."""
    near = {_around(text, m.start()) for m in _SURE.finditer(text)}
    sure = {w: mend for w in near if _SURE.search(w) and (mend := _mend(w))}
    if len(sure) < ENOUGH_SIGNS:
        return sure
    words = set(_WORD.findall(text))
    return sure | {w: mend for w in words - sure.keys() if _MAYBE.search(w) and (mend := _mend(w))}


def _around(text: str, at: int) -> str:
    """The word around a place; "" if it holds other signs too, or is longer than any."""
    start = at
    while start > max(0, at - MOST_LETTERS) and text[start - 1] in _SIGNS:
        start -= 1
    m = _WORD.match(text, start)
    return m[0] if m else ""


def mended(text: str, words: dict[str, str] | None = None) -> str:
    """The text with its letters set right. words: what `misread` found in the whole of which this is a part."""
    words = misread(text) if words is None else words
    told = _ONE.sub(_one, text)
    if words or told != text:
        told = _L_FOR_I.sub("I", _I_FOR_ONE.sub("1", told))
    told = _NUMBER_L.sub("1", _TEN.sub(_ten, told))
    return _WORD.sub(lambda m: words.get(m[0], m[0]), told) if words else told


def _mend(word: str) -> str:
    """The known word of which a scan made this, in its own case; "" if this is a word or if there is none such."""
    known = _known()
    low = word.lower()
    if not LEAST_LETTERS <= len(word) <= MOST_LETTERS or (low in known and not re.search(r"[a-z]I|[A-Z]l[A-Z]", word)):
        return ""
    if low.startswith("rn"):
        # no word begins so
        return ("M" if word[0] == "R" else "m") + word[2:]
    for it in _others(word):
        stem = _ENDING.sub("", it.lower())
        if (it.lower() in known or stem in known) and it.lower() != low:
            return it
    return ""


def _others(word: str) -> Iterator[str]:
    """What may have stood there, the likeliest first."""
    n = sum(c in _FIGURES for c in word)
    upper = sum(c.isupper() for c in word) * 2 > len(word) - n
    if n + (word.count("l") if upper else 0) > MOST_FIGURES:
        # each of them doubles what may have stood there
        return
    drafts = [""]
    for at, c in enumerate(word):
        if c in _FIGURES:
            options = _FIGURES[c].upper() if upper else _FIGURES[c]
        elif c == "l" and upper:
            options = "IL"
        elif c == "I" and not upper:
            options = "l" if at else "lI"
        else:
            options = c
        drafts = [d + o for d in drafts for o in options]
    yield from drafts
    for draft in drafts:
        whole = draft.replace("rn", "m").replace("RN", "M").replace("vv", "w")
        yield whole
        for at in (m.start() for m in re.finditer("rn", draft)):
            yield draft[:at] + "m" + draft[at + 2 :]
        for at, c in enumerate(whole if len(whole) >= LEAST_BY_A_HAIR else ""):
            for o in _HAIRS.get(c, ""):
                yield whole[:at] + o + whole[at + 1 :]


@cache
def _known() -> frozenset[str]:
    return frozenset(files(__package__).joinpath("data", "words_seen.txt").read_text(encoding="utf-8").split())


def _one(m: re.Match[str]) -> str:
    """What a scan reads for 1; the bar between two cells of a row is one."""
    if m[0] != "|":
        return "1"
    begins, ends = m.string.rfind("\n", 0, m.start()) + 1, m.string.find("\n", m.start())
    return "|" if m.string.count("|", begins, ends if ends >= 0 else None) > 1 else "1"


def _ten(m: re.Match[str]) -> str:
    return "0" if m[0] == "O" else "1"
