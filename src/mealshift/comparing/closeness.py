"""How much another dish a grain makes of this one, and how two grains differ, in words.

A grain is set against what the dish was by its bite, its cling, its size, its colour and its taste (grains/data/plate.toml). What matters
most depends on the dish: a stirred pot wants its cling, a salad its bite, a soup hardly cares for either.
"""

from __future__ import annotations

from dataclasses import fields
from functools import cache

from ..grains import Grain
from ..grains.plate import Plate, plate

# the share of each in how near a grain is, and how a dish changes it
_WEIGHTS = {"bite": 0.28, "cling": 0.24, "size": 0.20, "dark": 0.12, "strong": 0.16}
_MATTERS: dict[str, dict[str, float]] = {
    "stirred": {"cling": 2.2, "size": 0.7},
    "pudding": {"cling": 2.0, "size": 0.7, "dark": 1.5},
    "porridge": {"cling": 1.3, "bite": 1.3, "size": 0.5},
    "salad": {"cling": 1.6, "bite": 0.8},
    "fried": {"cling": 1.8},
    "soup": {"cling": 0.5, "bite": 1.2, "size": 0.7},
    "stuffing": {"cling": 1.3, "dark": 0.6},
}
# a texture it cannot reach, and crumbs where there were grains, weigh as much as a great change of bite
_A_STEP_OFF, _A_MEAL = 0.14, 0.22
# rings of the plate: hardly another dish, another bite, a new dish
RINGS = (0.20, 0.32)
# a change smaller than this nobody tastes; one as large as that is "much"
NOTICED, MUCH = {"bite": 0.55, "cling": 0.55, "size": 0.55, "dark": 0.9}, 1.7
_MORE = {
    "bite": ("chewier", "softer"),
    "cling": ("stickier", "more apart"),
    "size": ("larger", "smaller"),
    "dark": ("darker", "paler"),
}
# from so strong on a grain tastes of itself
OWN_TASTE = 0.8
# so much more or less water for the same volume is worth a word
DRINKS = 0.18


@cache
def _weights(dish: str) -> dict[str, float]:
    raw = {k: w * _MATTERS.get(dish, {}).get(k, 1.0) for k, w in _WEIGHTS.items()}
    whole = sum(raw.values())
    return {k: w / whole for k, w in raw.items()}


def distance(was: Grain, now: Grain, dish: str, gap: float, loose: bool) -> float:
    """0: the same plate. gap: steps of texture it stays away. loose: the dish wants grains, not a mass.

    >>> from mealshift.grains import grain
    >>> a, b = (distance(grain("rice-white-long"), grain(g), "pilaf", 0, True) for g in ("barnyard-millet", "wild-rice"))
    >>> a < RINGS[0] < RINGS[1] < b
    True
    """
    return (
        _apart(was.slug, now.slug, dish)
        + _A_STEP_OFF * gap
        + (_A_MEAL if loose and was.is_meal != now.is_meal else 0.0)
    )


@cache
def _apart(was: str, now: str, dish: str) -> float:
    """By bite, cling, size, colour and taste alone. By slug: a grain of the catalogue is asked for in many ways."""
    a, b = plate(was), plate(now)
    apart: float = sum(w * abs(getattr(a, k) - getattr(b, k)) / 4 for k, w in _weights(dish).items())
    return apart


def ring(away: float) -> int:
    """0: hardly another dish · 1: another bite · 2: a new dish."""
    return sum(away >= edge for edge in RINGS)


def differs(was: Grain, now: Grain, dish: str, most: int = 3, drinks: float = 1.0) -> list[str]:
    """What one notices of `now` that knows `was`, the greatest first. drinks: its water over the other's, for the same volume."""
    words = [*_words(was.slug, now.slug, dish, most)]
    if abs(drinks - 1) >= DRINKS:
        words.append("drinks more" if drinks > 1 else "drinks less")
    return words


@cache
def _words(was: str, now: str, dish: str, most: int) -> tuple[str, ...]:
    a, b = plate(was), plate(now)
    weights = _weights(dish)
    found = []
    for f in fields(Plate):
        if f.name not in _MORE:
            continue
        change = getattr(b, f.name) - getattr(a, f.name)
        if abs(change) >= NOTICED[f.name]:
            word = _MORE[f.name][change < 0]
            found.append((abs(change) * weights[f.name], f"much {word}" if abs(change) >= MUCH else word))
    words = [w for _, w in sorted(found, key=lambda x: -x[0])][:most]
    if b.taste and b.strong >= OWN_TASTE and b.taste != a.taste:
        words.append(f"tastes {b.taste}" if b.taste.startswith("of ") else b.taste)
    elif a.strong >= OWN_TASTE > b.strong:
        words.append("plainer")
    return tuple(words)


def in_a_row(words: list[str]) -> str:
    """ "chewier, smaller and nutty"."""
    return " and ".join([", ".join(words[:-1]), words[-1]]) if len(words) > 1 else "".join(words)
