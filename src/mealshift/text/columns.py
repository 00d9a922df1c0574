"""Two columns side by side, the things on the left and what is done with them on the right, laid one under the other.

A sheet copied out of its layout keeps both columns in each line, and read across it is nothing: "150 g rice          1  Bring a pan of water to the". Only a list beside a
method is taken apart; a card whose two columns both hold things is read line by line as it stands.

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

# blanks that part two columns; lines of a block that must have a right half, and a left one
GAP, LEAST_RIGHT, LEAST_LEFT = 3, 5, 4
# lines of nothing but one column that a block may hold between two that have both
MOST_ALONE = 6
# of the left halves that name a thing, and of the right ones that must not
MOSTLY, SELDOM = 0.6, 0.34
_RIGHT = re.compile(rf"(?<=\S) {{{GAP},}}(?=\S)|^ {{12,}}(?=\S)")
_THING = re.compile(
    rf"\s*(?:[-•*·▢□☐]\s*)?(?:{RANGE_PATTERN}|small|large|a |handful|pinch|salt|pepper|juice|zest|few)", re.I
)
_STEP = re.compile(r"\s*(?:step\s*)?\d{1,2}[.):\s]\s*[A-Z]", re.I)
_LIST_HEAD = re.compile(r"\s*(?:ingredients?|you(?:'ll| will)? need|what you need|shopping)\b", re.I)
_METHOD_HEAD = re.compile(
    r"\s*(?:method|directions?|instructions?|steps?|what (?:to|you) do|preparation|how to)\b", re.I
)
_RUNS_ON = re.compile(
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
        return _turn_by_turn(text)
    first, last, column = found
    left = [ln[:column].rstrip() for ln in lines[first:last]]
    right = [ln[column:].strip() for ln in lines[first:last]]
    both = [*(x for x in left if x.strip()), "", *right]
    return "\n".join([*lines[:first], *both, *lines[last:]])


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
    starts = Counter(m.end() for ln in lines for m in _RIGHT.finditer(ln))
    for column, n in starts.most_common(3):
        if n < LEAST_RIGHT:
            return None
        mine = [i for i, ln in enumerate(lines) if _parts(ln, column)]
        first, last = mine[0], mine[0]
        for i in mine[1:]:
            between = lines[last + 1 : i]
            if len(between) > MOST_ALONE or any(_crosses(ln, column) for ln in between):
                if last - first + 1 >= LEAST_RIGHT:
                    break
                first = i
            last = i
        if _is_list_and_method(lines[first : last + 1], column):
            # the heads may stand a little aside of their columns
            above = lines[first - 1] if first else ""
            if (
                _LIST_HEAD.match(above)
                and (m := _RIGHT.search(above.lstrip()))
                and _METHOD_HEAD.match(above.lstrip()[m.end() :])
            ):
                return first - 1, last + 1, column
            return first, last + 1, column
    return None


def _parts(line: str, column: int) -> bool:
    """Does something begin at the column, with a gap before it?"""
    return len(line) > column and not line[column].isspace() and not line[max(0, column - GAP) : column].strip()


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
    return (heads or things >= MOSTLY) and amounts <= SELDOM and runs_on >= MOSTLY
