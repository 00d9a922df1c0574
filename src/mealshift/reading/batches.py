"""A text that tells its amounts for more than one number of eaters, or for a small and a large pot: the first of them is read.

For 2 people: 150 g rice, 300 ml water. For 4 people: 300 g rice, 600 ml water.
Rice 1/2 cup / 1 cup / 1 1/2 cups                                                (2 / 4 / 6 servings)
"""

from __future__ import annotations

import re
from dataclasses import replace

from ..measures import RANGE_PATTERN, UNIT_PATTERN
from ..process import Span
from ..quick import lazy, quick
from .names import find_grains
from .otherwise import another_batch, blanked
from .structure import Piece, Structure

_MANY = r"(?:\d{1,2}(?:\s?[-–]\s?\d{1,2})?|one|two|three|four|five|six|eight|ten)"
_EATERS = (
    r"(?:people|persons?|servings?|serves|portions?|adults?|diners?|eaters?|personas|personnes|personen|persone|P|pax)"
)
# "For 2 people:", "Serves 4 –", "2 persons:", "Large pot:"
_LABEL = quick(
    r"(?:^|(?<=[.;:|)]\s)|(?<=, )|(?<=/ ))[ \t]{0,8}[-*•–▢]?[ \t]{0,3}"
    rf"(?:(?:for|(?:to )?serves?|(?:to )?feeds?|makes|für|para|pour|per|voor)\s+(?P<a>{_MANY})(?:\s?{_EATERS})?"
    rf"|(?P<b>{_MANY})\s?{_EATERS}"
    r"|(?P<c>small|medium|large|big|single|double|half|full)(?: (?:batch|pot|pan|cooker|recipe|family|quantity|amount))?)"
    r"[ \t]*(?:[:=]|[-–—](?=\s))[ \t]*",
    re.I | re.M,
)
# "To serve 4: half of everything."
_OF_ALL = lazy(r"\b(?:half|halve|double|twice|triple)\b", re.I)
_AN_AMOUNT = quick(rf"(?:{RANGE_PATTERN})\s*(?:{UNIT_PATTERN})\b", re.I)
# "(2 / 4 / 6 servings)", "serves 2 | 4", "2P/4P"
_SIZES = quick(
    rf"\b\d{{1,2}}\s?(?:{_EATERS})?(?:\s?[/|]\s?\d{{1,2}}\s?(?:{_EATERS})?){{1,3}}(?<=[a-z])|\b(?:serves|servings?:?|for|feeds)\s+\d{{1,2}}(?:\s?[/|]\s?\d{{1,2}}\b){{1,3}}",
    re.I,
)
_SO_MUCH_OR = lazy(
    rf"(?P<first>(?:{RANGE_PATTERN})\s*(?:{UNIT_PATTERN})?\b\.?)(?P<more>(?:\s?[/|]\s?(?:{RANGE_PATTERN})\s*(?:{UNIT_PATTERN})?\b\.?){{1,3}})",
    re.I,
)


_SPOONS = {"tsp", "tbsp", "teaspoon", "tablespoon"}


def first_of(laid: Structure) -> tuple[Structure, bool]:
    """The structure with the amounts of its first size alone, and whether it tells of more than one."""
    one = _first_size(_first_label(laid))
    steps = [_alone(p) for p in one.steps]
    return replace(one, steps=steps) if steps != one.steps else one, one is not laid


def _alone(step: Piece) -> Piece:
    """ "If you double it use 2 3/4 water": another pot's."""
    gone = another_batch(step.text)
    return replace(step, text=blanked(step.text, gone)) if gone else step


def _first_label(laid: Structure) -> Structure:
    plain = laid.plain
    labels = list(_LABEL.finditer(plain))
    if len(labels) < 2:
        return laid
    told: list[tuple[re.Match[str], int]] = []
    for m, then in zip(labels, [*labels[1:], None], strict=True):
        # to the next one in its line, or to the line's end
        end = plain.find("\n", m.end())
        end = len(plain) if end < 0 else end
        end = min(end, then.start()) if then else end
        said = plain[m.end() : end]
        if (find_grains(said) and _AN_AMOUNT.search(said)) or (told and _OF_ALL.search(said)):
            told.append((m, end))
    if len(told) < 2 or len({(m["a"] or m["b"] or m["c"]).lower() for m, _ in told}) < 2:
        return laid
    first, _ = told[0]
    few = re.match(r"\d+", first["a"] or first["b"] or "")
    if few:
        laid = replace(laid, servings=(float(few[0]), Span(*first.span())))
    return _without(laid, [first.span(), *((m.start(), end) for m, end in told[1:])])


def _first_size(laid: Structure) -> Structure:
    sizes = _SIZES.search(laid.plain)
    if not sizes:
        return laid
    many = len(re.findall(r"\d+", sizes[0]))
    gone = []
    for piece, _ in laid.lines:
        for m in _SO_MUCH_OR.finditer(piece.text):
            if len(re.findall(r"[/|]", m["more"])) + m["first"].count("/") >= many - 1 and _grows(m[0], many):
                gone.append((piece.span.start + m.start("more"), piece.span.start + m.end("more")))
    few = re.search(r"\d+", sizes[0])
    if not gone or not few:
        return laid
    first = laid.servings or (float(few[0]), Span(sizes.start(), sizes.end()))
    return replace(_without(laid, gone), servings=first)


def _grows(said: str, many: int) -> bool:
    """ "150 g / 300 g" is two sizes, "200 g / 7 oz" one in two units."""
    units = [u.lower().rstrip("s.") for u in re.findall(r"[^\W\d]+", said)]
    return len(re.split(r"\s[/|]\s|(?<=[a-z])[/|]", said, flags=re.I)) == many and (
        len(set(units)) <= 1 or set(units) <= _SPOONS
    )


def _without(laid: Structure, places: list[tuple[int, int]]) -> Structure:
    def left(piece: Piece) -> Piece:
        a, b = piece.span.start, piece.span.start + len(piece.text)
        gone = [(max(x, a) - a, min(y, b) - a) for x, y in places if x < b and y > a]
        return replace(piece, text=blanked(piece.text, gone)) if gone else piece

    kept = [(left(p), many) for p, many in laid.lines]
    return replace(
        laid,
        lines=[(p, many) for p, many in kept if p.text.strip()],
        steps=[left(p) for p in laid.steps],
        notes=[left(p) for p in laid.notes],
    )
