"""A table of amounts for several numbers of eaters, as packets print it, told as the list of one of them.

    Servings | Rice    | Water          Serves 2
    2        | 1/2 cup | 1 cup     →    Rice: 1/2 cup
    4        | 1 cup   | 2 cups         Water: 1 cup

The row (or the column) of the number that the text serves is taken, else the first.
"""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..quick import lazy, quick

_EATERS = r"(?:servings?|serves|people|persons?|portions?|adults?|guests?|eaters?|pers\.?|personen|personas|personnes)"
_HEAD = lazy(rf"(?:no\.? of |number of |for )?(?:{_EATERS}|size|for|yield)?\W*", re.I)
_MANY = lazy(rf"(?:for |serves )?(?P<n>\d{{1,2}})(?:\s?[-–]\s?\d{{1,2}})?\s?(?:{_EATERS}|p)?\W*", re.I)
_MANY_SAID = lazy(rf"(?:for |serves )?(?P<n>\d{{1,2}})(?:\s?[-–]\s?\d{{1,2}})?\s?(?:{_EATERS}|p)\W*", re.I)
_SERVES = quick(r"^[^\w\n]{0,6}(?:serves?|servings?|feeds?|for)[^\w\n]{1,3}(?P<n>\d{1,2})\b(?! ?[|\t])", re.I | re.M)
_AMOUNT = lazy(r"(?:about |~ ?|a |one |half )*[\d½¼¾⅓⅔]|(?:a|one|half an?|pinch)\b", re.I)
_RULE = lazy(r"[\s|:+=-]*")
_BETWEEN = lazy(r"\s*\|\s*|\t+| {3,}")
# rows of a table beside its head; lines of one, rules among them
LEAST_ROWS, MOST_ROWS = 2, 16


def one_size(text: str) -> str:
    """The text with such a table as a list; itself where it has none."""
    lines = text.split("\n")
    for first, head in enumerate(lines):
        cells = _cells(head)
        if len(cells) < 2 or not _HEAD.fullmatch(cells[0]):
            continue
        end = first + 1
        rows = []
        while end < min(len(lines), first + MOST_ROWS) and (
            (rule := _rules_off(lines[end])) or len(_cells(lines[end])) == len(cells)
        ):
            if not rule:
                rows.append(_cells(lines[end]))
            end += 1
        said = _as_list(cells, rows, _SERVES.search("\n".join([*lines[:first], *lines[end:]])))
        if said:
            return "\n".join([*lines[:first], *said, "", *lines[end:]])
    return text


def _rules_off(line: str) -> bool:
    """ "|---|---|" """
    return "-" in line and _RULE.fullmatch(line) is not None


def _cells(line: str) -> list[str]:
    bare = line.strip(" ")
    if bare.startswith("|"):
        bare = bare[1:].strip(" ").removesuffix("|")
    return [c.strip() for c in _BETWEEN.split(bare.rstrip())] if "|" in line or "\t" in line or "   " in bare else []


def _as_list(head: Sequence[str], rows: Sequence[Sequence[str]], serves: re.Match[str] | None) -> list[str]:
    """The lines of one size; none if this is no such table."""
    wanted = int(serves["n"]) if serves else None
    if not all(_AMOUNT.match(v) for r in rows for v in r[1:] if v):
        # "# | Step | Minutes" is another table
        return []
    names, counts = head[1:], [_MANY.fullmatch(r[0]) for r in rows]
    if (
        len(rows) >= LEAST_ROWS
        and all(counts)
        and all(re.search(r"[^\W\d]", n) and not re.search(r"\d", n) for n in names)
    ):
        sizes = [int(m["n"]) for m in counts if m]
        it = sizes.index(wanted) if wanted in sizes else 0
        return [f"Serves {sizes[it]}", *(f"{n}: {v}" for n, v in zip(names, rows[it][1:], strict=True) if v)]
    counts = [_MANY_SAID.fullmatch(n) or (_MANY.fullmatch(n) if head[0] else None) for n in names]
    if len(names) >= 2 and all(counts) and rows and all(re.search(r"[^\W\d]", r[0]) for r in rows):
        sizes = [int(m["n"]) for m in counts if m]
        it = sizes.index(wanted) if wanted in sizes else 0
        return [f"Serves {sizes[it]}", *(f"{r[0].rstrip(' :')}: {r[1 + it]}" for r in rows if r[1 + it])]
    return []
