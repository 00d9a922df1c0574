"""Two columns side by side, the things on the left and what is done with them on the right, laid one under the other.

A sheet copied out of its layout keeps both columns in each line, and read across it is nothing: "150 g rice          1  Bring a pan of water to the". Only a list beside a
method is taken apart; a card whose two columns both hold things is read line by line, each thing that was cut by the width made whole.

A case by hand:

    INGREDIENTS             METHOD                    INGREDIENTS
    150 g rice              1  Bring a pan of   →     150 g rice …
    2 oranges               water to the boil.        METHOD
                                                      1  Bring a pan of
                                                      water to the boil. …
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Sequence
from itertools import pairwise

from ..measures import RANGE_PATTERN
from ..quick import lazy, quick

# blanks that part two columns; lines of a block that must have a right half, and a left one
GAP, LEAST_RIGHT, LEAST_LEFT = 3, 5, 4
# lines of nothing but one column that a block may hold between two that have both
MOST_ALONE = 6
# columns by which the lines of a step may stand behind its number
HANGING = 4
MOST_TRIED = 3
# what stands between such gaps; lines of two things each in a text that has two columns of them; columns by which a cell's second line may stand in
_CELL = lazy(r"\S+(?: {1,2}\S+)*")
LEAST_OF_THINGS, MOST_UNDER = 4, 8
# of the left halves that name a thing, and of the right ones that must not; of those that read like a method where both heads say what they are
MOSTLY, SELDOM, SOME = 0.6, 0.34, 0.3
_RIGHT = lazy(rf"(?<=\S) {{{GAP},}}(?=\S)|^ {{12,}}(?=\S)")
_THING = lazy(rf"\s*(?:[-•*·▢□☐]\s*)?(?:{RANGE_PATTERN}|small|large|a |handful|pinch|salt|pepper|juice|zest|few)", re.I)
_STEP = lazy(r"\s*(?:step\s*)?\d{1,2}[.):\s]\s*[A-Z]", re.I)
_LIST_HEAD = quick(r"\s*(?:ingredients?|you(?:'ll| will)? need|what you need|shopping)\b", re.I)
_METHOD_HEAD = quick(r"\s*(?:method|directions?|instructions?|steps?|what (?:to|you) do|preparation|how to)\b", re.I)
_RUNS_ON = quick(
    r"\b(?:the|a|and|with|until|till|then|in|to|of|over|for|before|after|it|add|stir|bake|boil|cook|simmer|cover|drain|serve|let)\b",
    re.I,
)


def apart(text: str) -> str:
    """The text with a list and a method that stood side by side one under the other; any other text as it is.

    >>> sheet = chr(10).join(f"{n} g thing{' ' * 12}stir the pot and cook it until it is done" for n in range(100, 106))
    >>> apart(sheet).splitlines()[:2], apart("2 cups rice")
    (['100 g thing', '101 g thing'], '2 cups rice')
    """
    lines = text.split("\n")
    # cells parted by tabs are a table, and its rows belong together
    found = _block(lines) if "\t" not in text else None
    if found is None:
        return _turn_by_turn("\n".join(_whole_cells(lines)) if "\t" not in text else text)
    first, last, column = found
    left = [ln[:column].rstrip() for ln in lines[first:last]]
    right = [ln[column:].strip() for ln in lines[first:last]]
    both = [*(x for x in left if x.strip()), "", *right]
    return "\n".join([*lines[:first], *both, *lines[last:]])


def _whole_cells(lines: Sequence[str]) -> list[str]:
    """ "1 can cream of celery" with "soup" under it: of two columns of things, what the width cut is put back to the thing it stands under."""
    cells = [[(m.start(), m[0]) for m in _CELL.finditer(ln)] for ln in lines]
    pairs = sum(len(row) == 2 and any(_THING.match(c) for _, c in row) for row in cells)
    if pairs < LEAST_OF_THINGS or any(len(row) > 2 for row in cells):
        return list(lines)
    out: list[str] = []
    above: list[tuple[int, str]] = []
    for line, row in zip(lines, cells, strict=True):
        under = [next((k for k, (at, _) in enumerate(above) if 0 < place - at <= MOST_UNDER), -1) for place, _ in row]
        mine = [k >= 0 and not (c[0].isupper() or _THING.match(c)) for k, (_, c) in zip(under, row, strict=True)]
        if len(above) > 1 and any(mine):
            for k, own, (_, cell) in zip(under, mine, row, strict=True):
                above[k] = (above[k][0], f"{above[k][1]} {cell}") if own else above[k]
            out[-1] = " " * above[0][0] + (" " * (GAP + 1)).join(c for _, c in above)
            if all(mine):
                continue
            row = [c for c, own in zip(row, mine, strict=True) if not own]
            line = " " * row[0][0] + row[0][1]
        out.append(line)
        above = row
    return out


def _turn_by_turn(text: str) -> str:
    """ "INGREDIENTS / DIRECTIONS / 1 lb rice / Brown the pork in a / 2 onions / pan …": two columns copied line by line, one after the other."""
    lines = text.rstrip("\n").split("\n")
    at = next(
        (i for i, (a, b) in enumerate(pairwise(lines)) if _LIST_HEAD.fullmatch(a) and _METHOD_HEAD.fullmatch(b)), None
    )
    if at is None or not all(x.strip() for x in lines[at:]):
        return text
    left, right = lines[at::2], lines[at + 1 :: 2]
    if len(right) <= LEAST_RIGHT or not _list_beside_method(left[1:], right[1:], False):
        return text
    return "\n".join([*lines[:at], *left, "", *right, ""])


def _block(lines: Sequence[str]) -> tuple[int, int, int] | None:
    """(first line, behind the last, where the right column begins) of a list beside a method; None if there is none."""
    starts = Counter(
        at - back for ln in lines for at in {m.end() for m in _RIGHT.finditer(ln)} for back in range(HANGING + 1)
    )
    for column in _likeliest(starts):
        mine = [i for i, ln in enumerate(lines) if _parts(ln, column)]
        if not mine:
            continue
        first, last = mine[0], mine[0]
        for i in mine[1:]:
            between = lines[last + 1 : i]
            if len(between) > MOST_ALONE or any(_crosses(ln, column) for ln in between):
                if last - first + 1 >= LEAST_RIGHT:
                    break
                first = i
            last = i
        if _is_list_and_method(lines[first : last + 1], column):
            return _heads(lines, first, last), last + 1, column
    return None


def _likeliest(starts: Counter[int]) -> list[int]:
    """The columns, at most three, at which or a little behind which most begins; of equals the one nearest to it, and no neighbours of one another."""
    out: list[int] = []
    for column in sorted(starts, key=lambda c: (-starts[c], -c)):
        if starts[column] < LEAST_RIGHT or len(out) == MOST_TRIED:
            break
        if all(abs(column - other) > HANGING for other in out):
            out.append(column)
    return out


def _heads(lines: Sequence[str], first: int, last: int) -> int:
    """The line whose two heads the columns stand under: they may stand a little aside, and above them what belongs to neither. Without heads the first."""
    for i in range(max(0, first - 1), last + 1):
        bare = lines[i].lstrip()
        if _LIST_HEAD.match(bare) and (m := _RIGHT.search(bare)) and _METHOD_HEAD.match(bare[m.end() :]):
            return i
    return first


def _parts(line: str, column: int) -> bool:
    """Does something begin at the column, or a little behind it, with a gap before it?"""
    return bool(line[column : column + HANGING + 1].strip()) and not line[max(0, column - GAP) : column].strip()


def _crosses(line: str, column: int) -> bool:
    """Does the line run over from the left column into the right?"""
    return bool(line[max(0, column - 2) : column + 1].strip()) and not _parts(line, column)


def _is_list_and_method(lines: Sequence[str], column: int) -> bool:
    left = [x for ln in lines if (x := ln[:column].strip())]
    right = [x for ln in lines if (x := ln[column:].strip())]
    if len(left) < LEAST_LEFT or len(right) < LEAST_RIGHT or any(_crosses(ln, column) for ln in lines):
        return False
    return _list_beside_method(left, right, bool(_LIST_HEAD.match(left[0]) and _METHOD_HEAD.match(right[0])))


def _list_beside_method(left: Sequence[str], right: Sequence[str], heads: bool) -> bool:
    """Do things with their amounts stand on the left, and on the right what is done with them? heads: is it said so?"""
    things = sum(bool(_THING.match(x)) for x in left) / len(left)
    amounts = sum(bool(_THING.match(x)) and not _STEP.match(x) for x in right) / len(right)
    runs_on = sum(bool(_RUNS_ON.search(x)) for x in right) / len(right)
    return (heads or things >= MOSTLY) and amounts <= SELDOM and runs_on >= (SOME if heads else MOSTLY)
