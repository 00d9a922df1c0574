"""Patterns with many alternatives, compiled so that a text, or a place in it, that cannot fit is left at once.

A pattern that takes no heed of case is tried alternative by alternative at every word of a text. Here alternatives that begin with the same letters stand
together (as `any_of` does for plain words), before many of them only their first letters are looked for, and a text that holds none of the letters a pattern
cannot do without is not looked through at all. What is found is what `re.compile` would find, in the same order: alternatives that begin with different
letters cannot both match at one place, so only those that can keep their order.

A case by hand: \\b(?:cups?|tins?|cans?|mugs?)\\b → \\b(?:(?=[cmt])(?:c(?:ups?|ans?)|tins?|mugs?))\\b, and no text without "cup", "tin", "can" and "mug" is looked through
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any

# so many alternatives are worth a look at the first letter
MANY = 4
# so many words are looked for sooner than the pattern itself, and none so short
MOST_NEEDS, LEAST_NEED = 14, 3
_OFTEN = re.compile(r"(?:[*+?]|\{(?P<least>\d+)?(?:,\d*)?\})[?+]?")
_CLASS = re.compile(r"\[\^?\]?(?:\\.|[^\]\\])*\]", re.S)
_OPENS = re.compile(r"\((?:\?(?:P<\w+>|P=\w+|<[=!]|[:=!>]|-?[a-z]+:))?")
# what is the same letter as another one only where case does not count
_TWO_CASES = "ıſİ\u212a"
_ODD = re.compile(f"[{_TWO_CASES}]")


def quick(source: str, flags: int | re.RegexFlag = 0) -> re.Pattern[str]:
    """`re.compile`, quicker to search with, and compiled when it is first asked. A pattern that is not understood here is compiled as it stands.

    >>> quick(r"\\b(?:cups?|tins?|cans?|mugs?)\\b", re.I).search("three TINS")[0]
    'TINS'
    """
    # it stands in for a pattern
    return _Quick(source, int(flags))  # type: ignore[return-value]


def lazy(source: str, flags: int | re.RegexFlag = 0) -> re.Pattern[str]:
    """`re.compile`, when it is first asked: a command that reads one recipe needs half of a cook's words, and one that reads none needs none."""
    return _Late(source, int(flags))  # type: ignore[return-value]


def in_small_letters(text: str) -> str:
    """The text in small letters, each at its place: a long pattern that heeds case is several times quicker than one that does not.

    >>> in_small_letters("Leave for 10 Minutes İ")
    'leave for 10 minutes İ'
    """
    low = text.lower()
    return low if len(low) == len(text) else "".join(s if len(s := c.lower()) == 1 else c for c in text)


@lru_cache(maxsize=4096)
def found_in(pattern: re.Pattern[str], text: str) -> tuple[re.Match[str], ...]:
    """Every place where the pattern fits, as `finditer` finds them: a step that is rewritten for a shelf of grains is looked through once."""
    return tuple(pattern.finditer(text))


_ASKED = ("search", "match", "fullmatch", "finditer", "findall", "sub", "split")


class _Late:
    """A pattern that is compiled when it is first asked."""

    __slots__ = ("flags", "pattern", *_ASKED)

    def __init__(self, source: str, flags: int) -> None:
        self.pattern, self.flags = source, flags

    def __getattr__(self, name: str) -> Any:
        # nothing of what is asked stands here before the first time
        if name not in _ASKED:
            raise AttributeError(name)
        self._compile()
        return getattr(self, name)

    def _compile(self) -> None:
        self._answer_by(re.compile(self.pattern, self.flags))

    def _answer_by(self, compiled: re.Pattern[str]) -> None:
        for asked in _ASKED:
            setattr(self, asked, getattr(compiled, asked))


class _Quick(_Late):
    """One that first looks whether a text holds what it cannot do without."""

    __slots__ = ("_compiled", "_folded", "_needs")

    def _compile(self) -> None:
        folded = bool(self.flags & re.I)
        taken = _Source(self.pattern, folded)
        tree = taken.group() if not self.flags & re.X else []
        whole = taken.at == len(self.pattern)
        # a group without a name is known by its place, which must stay
        kept = not whole or taken.numbered
        compiled = re.compile(self.pattern if kept else _written(tree), self.flags)
        self._answer_by(compiled)
        if needs := _needs(tree) if whole else None:
            self._compiled, self._needs, self._folded = compiled, tuple(sorted(needs)), folded
            # what is tried at one place alone needs no look ahead
            self.search, self.finditer, self.findall, self.sub = self._search, self._finditer, self._findall, self._sub

    def _may(self, text: str) -> bool:
        low = text
        if self._folded:
            low = text.lower()
            if not text.isascii() and _ODD.search(text):
                return True
        for need in self._needs:  # noqa: SIM110  (a generator costs more than what it looks for)
            if need in low:
                return True
        return False

    def _search(self, text: str, *where: int) -> re.Match[str] | None:
        return self._compiled.search(text, *where) if self._may(text) else None

    def _finditer(self, text: str, *where: int) -> Iterator[re.Match[str]]:
        return self._compiled.finditer(text, *where) if self._may(text) else iter(())

    def _findall(self, text: str, *where: int) -> list[Any]:
        return self._compiled.findall(text, *where) if self._may(text) else []

    def _sub(self, by: Any, text: str, count: int = 0) -> str:
        return self._compiled.sub(by, text, count) if self._may(text) else text


@dataclass(slots=True)
class _Piece:
    """A letter, a class or a group, with what says how often. least: how often at least."""

    text: str
    often: str = ""
    least: int = 1
    opens: str = ""
    inside: list[list[_Piece]] | None = None
    folded: bool = False

    @property
    def letter(self) -> str | None:
        """The one letter or sign it is."""
        t = self.text
        if self.often or self.inside is not None or len(t) > 2 or t in (".", "^", "$"):
            return None
        if len(t) == 2:
            return None if t[1].isalnum() else t[1]
        if self.folded:
            return None if t in _TWO_CASES else t.lower()
        return t


# alternatives, each a row of pieces
_Tree = list[list[_Piece]]


@dataclass(slots=True)
class _Source:
    """A pattern's source, taken apart."""

    source: str
    folded: bool
    at: int = 0
    numbered: bool = field(default=False)

    def group(self) -> _Tree:
        """The alternatives up to the bracket that closes this group, or to the end."""
        found: _Tree = [[]]
        while self.at < len(self.source) and self.source[self.at] != ")":
            if self.source[self.at] == "|":
                self.at += 1
                found.append([])
            else:
                found[-1].append(self._piece())
        return found

    def _piece(self) -> _Piece:
        c = self.source[self.at]
        if c == "(":
            piece = self._opened()
        elif c == "[" and (m := _CLASS.match(self.source, self.at)):
            self.at, piece = m.end(), _Piece(m[0])
        else:
            n = 2 if c == "\\" else 1
            piece = _Piece(self.source[self.at : self.at + n], folded=self.folded)
            self.at += n
        often = _OFTEN.match(self.source, self.at)
        if often:
            self.at, piece.often = often.end(), often[0]
            piece.least = 1 if often[0][0] == "+" else int(often["least"] or 0)
        return piece

    def _opened(self) -> _Piece:
        m = _OPENS.match(self.source, self.at)
        assert m is not None
        self.at = m.end()
        self.numbered |= m[0] == "("
        was, self.folded = self.folded, self.folded and "-i" not in m[0]
        inside = self.group()
        self.folded = was
        self.at += 1
        return _Piece("", opens=m[0], inside=inside)


def _written(tree: _Tree) -> str:
    branches, firsts = _grouped(tree), [a[0].letter if a else None for a in tree]
    if len(branches) < MANY or None in firsts:
        return "|".join(branches)
    letters = "".join(re.escape(c) for c in sorted({c for c in firsts if c}))
    return f"(?=[{letters}])(?:{'|'.join(branches)})"


def _one(piece: _Piece) -> str:
    if piece.inside is None:
        return piece.text + piece.often
    # what looks back must keep its width
    inside = _as_it_was(piece.inside) if piece.opens.startswith("(?<") else _written(piece.inside)
    return f"{piece.opens}{inside}){piece.often}"


def _as_it_was(tree: _Tree) -> str:
    return "|".join(
        "".join(p.text + p.often if p.inside is None else f"{p.opens}{_as_it_was(p.inside)}){p.often}" for p in a)
        for a in tree
    )


def _grouped(tree: _Tree) -> list[str]:
    """The branches: those that begin with one letter share it, and what begins otherwise stays where it stood."""
    out: list[str] = []
    run: dict[str, _Tree] = {}

    def lay_down() -> None:
        for same in run.values():
            if len(same) == 1:
                out.append("".join(map(_one, same[0])))
                continue
            rest = _grouped([a[1:] for a in same])
            out.append(same[0][0].text + (rest[0] if len(rest) == 1 else f"(?:{'|'.join(rest)})"))
        run.clear()

    for a in tree:
        letter = a[0].letter if a else None
        if letter is None:
            lay_down()
            out.append("".join(map(_one, a)))
        else:
            run.setdefault(letter, []).append(a)
    lay_down()
    return out


def _needs(tree: _Tree) -> frozenset[str] | None:
    """Words of which every text that fits holds one, in small letters where case does not count; None if there are no good ones."""
    out: set[str] = set()
    for a in tree:
        found = [n for n in _of_row(a) if min(map(len, n)) >= LEAST_NEED]
        if not found:
            return None
        out |= min(found, key=lambda n: (len(n), -min(map(len, n))))
        if len(out) > MOST_NEEDS:
            return None
    return frozenset(out)


def _of_row(row: list[_Piece]) -> Iterator[frozenset[str]]:
    """What one alternative cannot do without: its runs of letters, and what its groups cannot do without."""
    run = ""
    for p in row:
        letter = p.letter
        if letter is not None:
            run += letter
            continue
        if run:
            yield frozenset({run})
        run = ""
        looks = p.opens.startswith(("(?=", "(?!", "(?<=", "(?<!", "(?P="))
        if p.inside is not None and p.least and not looks and (inner := _needs(p.inside)):
            yield inner
    if run:
        yield frozenset({run})
