"""What foods are called in other tongues, by the words of our own tables (data/tongues.toml).

A recipe need not be English to hold raw chicken, dry kidney beans or wheat flour: whatever is told of one of our words is told of theirs. Compounds and cases
are known by how they begin or end: "Hähnchenoberkeulen" are chicken thighs, "Gemüsebrühe" is a stock, "kurczaka" is chicken.
"""

from __future__ import annotations

import re
import tomllib
import unicodedata
from collections.abc import Iterable, Iterator, Mapping
from functools import cache
from importlib import resources
from typing import Generic, TypeVar

from ..anyof import any_of
from ..quick import quick

_What = TypeVar("_What")
# shorter words without their accents may be others: "só" is salt, "so" is not
LEAST_PLAIN, LEAST_PLAIN_STEM = 5, 6
_SPLIT = str.maketrans({"ß": "ss", "ł": "l", "ø": "o", "ı": "i", "œ": "oe", "æ": "ae", "đ": "d"})
_TWO_LETTERS = str.maketrans({"ä": "ae", "ö": "oe", "ü": "ue", "ß": "ss", "å": "aa", "ø": "oe", "æ": "ae"})


@cache
def _table() -> dict[str, dict[str, list[str]]]:
    return tomllib.loads(resources.files(__package__).joinpath("data/tongues.toml").read_text(encoding="utf-8"))


@cache
def _meanings() -> Mapping[str, tuple[str, ...]]:
    """Our word → theirs, with their stars."""
    rows = (row for section, table in _table().items() if section != "cooked" for row in table.items())
    return {ours: tuple(theirs) for ours, theirs in rows}


def _spelt(word: str) -> Iterator[str]:
    """The word, and as who has no such letters on his keys writes it."""
    yield word
    # "râpé*" without its accents would be the rapeseed
    if len(word.strip("*")) >= (LEAST_PLAIN_STEM if word.endswith("*") else LEAST_PLAIN):
        bare = unicodedata.normalize("NFD", word.translate(_SPLIT))
        yield "".join(c for c in bare if not unicodedata.combining(c))
        yield word.translate(_TWO_LETTERS)


class Vocabulary(Generic[_What]):
    """Words of ours, each with what it stands for, and all that they are called elsewhere.

    >>> Vocabulary({"chicken": "meat", "lentils": "pulse"}).hits("500 g Hähnchenfleisch")[0][1]
    'meat'
    """

    def __init__(self, by_word: Mapping[str, _What], further: Iterable[tuple[str, _What]] = ()) -> None:
        theirs = [(w, what) for ours, what in by_word.items() for w in _meanings().get(ours, ())]
        spelt = [(s, what) for w, what in (*theirs, *further) for s in dict.fromkeys(_spelt(w))]
        self._ours = frozenset(by_word)
        self._whole = {w: what for w, what in spelt if "*" not in w} | dict(by_word)
        self._begins = {w[:-1]: what for w, what in spelt if w.endswith("*")}
        self._ends = {w[1:]: what for w, what in spelt if w.startswith("*")}
        phrases = [w for w in self._begins if " " in w]
        # "beurre de cacahuètes" before "beurre"
        ways = [rf"(?P<phrase>{any_of(phrases)})[\w-]*"] if phrases else []
        ways += [rf"(?P<whole>{any_of(self._whole)})(?![\w-])"]
        # "Hähnchenfond" is no chicken: how it ends says what it is
        ways += [rf"\w{{1,24}}?(?P<ends>{any_of(self._ends)})(?![\w-])"] if self._ends else []
        ways += [rf"(?P<begins>{any_of(self._begins)})[\w-]*"] if self._begins else []
        self._pattern = quick(rf"(?<![\w-])(?:{'|'.join(ways)})", re.I)

    def hits(self, text: str) -> list[tuple[re.Match[str], _What]]:
        """Each place where one of the words stands, in order, with what that word stands for."""
        return [(m, self._meant(m)) for m in self._pattern.finditer(text)]

    def is_theirs(self, text: str) -> bool:
        """Is what it names called by no word of ours?"""
        words = [m[0].lower() for m, _ in self.hits(text)]
        return bool(words) and not self._ours.intersection(words)

    def search(self, text: str) -> re.Match[str] | None:
        return self._pattern.search(text)

    def sub(self, by: str, text: str) -> str:
        return self._pattern.sub(by, text)

    def _meant(self, m: re.Match[str]) -> _What:
        kind = str(m.lastgroup)
        table = {"whole": self._whole, "ends": self._ends}.get(kind, self._begins)
        return table[m[kind].lower()]


@cache
def named(*words: str) -> Vocabulary[str]:
    """These words of ours, whatever they are called."""
    return Vocabulary({w: w for w in words})


@cache
def prepared(how: str) -> Vocabulary[str]:
    """Words of other tongues alone for what was done to a thing. how: "words" (it was cooked), "fresh", "dry", "ground"."""
    return Vocabulary({}, [(w, how) for w in _table()["cooked"][how]])
