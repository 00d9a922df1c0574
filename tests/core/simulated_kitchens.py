"""Kitchens whose truth is known: a cook pours what they are told, tastes, says how it came out, and accepts every lesson."""

from __future__ import annotations

import math
import random
from collections.abc import Callable
from dataclasses import dataclass
from functools import cache

from mealshift.grains import grain
from mealshift.learning import Entry, Figures, estimate, factors_from, figures, lessons
from mealshift.learning.estimate import SOFT, WET, Key
from mealshift.pot import Factors, Kitchen, default_way, solve

GRAINS = ("foxtail-millet", "quinoa", "barley-pearl", "rice-brown-long")
POTS = {"blue|ordinary": 20.0, "wide|ordinary": 26.0}


@cache
def reckoned(slug: str, pot: str, ml: float) -> Figures:
    g = grain(slug)
    return figures(solve(g, ml, default_way(g), Kitchen(pot_cm=POTS[pot])), Factors())


@dataclass
class Truth:
    """What differs from the catalogue in one kitchen; all nothing in a kitchen that is as the catalogue has it."""

    water: dict[str, float]
    time: dict[str, float]
    pot: dict[str, float]


def truth(rng: random.Random, spread: float) -> Truth:
    def draw(sd: float, low: float, high: float) -> float:
        return min(max(rng.gauss(0, sd * spread), low), high)

    return Truth(
        {g: draw(0.08, -0.18, 0.22) for g in GRAINS},
        {g: draw(0.09, -0.2, 0.22) for g in GRAINS},
        {p: draw(0.3, -0.45, 0.9) for p in POTS},
    )


def cook(
    seed: int, meals: int, spread: float, every_days: int = 3, rater: float = 0.4
) -> list[tuple[float, float, float, float]]:
    """rater: how far off their word is, in steps of the scale. For each meal (error of the taught pour, of the untaught, of the taught minutes, of the untaught), as shares of the truth."""
    rng = random.Random(seed)  # noqa: S311 - a simulation
    real = truth(rng, spread)
    held: dict[Key, float] = {}
    entries: list[Entry] = []
    errors = []
    for n in range(meals):
        slug, pot = rng.choice(GRAINS), rng.choice(list(POTS))
        f = reckoned(slug, pot, rng.choice([200.0, 300.0, 400.0]))
        longer = math.exp(real.time[slug])
        true_ml = f.need_ml + real.water[slug] * f.grain_ml + ((1 + real.pot[pot]) * longer - 1) * f.boil_ml
        true_min = f.cook_min * longer
        known = factors_from(held, slug, pot)
        told_ml = f.need_ml + (known.water - 1) * f.grain_ml + (known.boil_off * known.time - 1) * f.boil_ml
        told_min = f.cook_min * known.time
        errors.append(
            (
                abs(told_ml / true_ml - 1),
                abs(f.need_ml / true_ml - 1),
                abs(told_min / true_min - 1),
                abs(f.cook_min / true_min - 1),
            )
        )
        got, taken = told_ml, told_min
        if told_ml < 0.95 * true_ml and rng.random() < 0.5:
            # seen in time and topped up by eye
            got = true_ml * rng.gauss(1, 0.02)
        if rng.random() < 0.05:
            # a visitor left the lid off, the phone rang: nothing anybody should learn from
            got, taken = got * rng.choice([0.7, 1.4]), taken * rng.choice([0.6, 1.6])
        wet = scale((got - true_ml) / (WET * f.need_ml) + rng.gauss(0, rater))
        soft = scale(math.log(taken / true_min) / SOFT + rng.gauss(0, rater))
        entries.append(Entry(str(n), n * every_days, slug, pot, "", f, got, taken, wet, soft))
        for lesson in lessons(entries, held, {}, {}):
            held[lesson.kind, lesson.subject] = lesson.value
    return errors


def scale(x: float) -> float:
    return float(max(-2, min(2, round(x))))


def curves(kitchens: int, meals: int, spread: float, rater: float = 0.4) -> list[tuple[float, float, float, float]]:
    """The mean of each error at each meal, over so many kitchens."""
    runs = [cook(seed, meals, spread, rater=rater) for seed in range(kitchens)]
    return [tuple(sum(r[n][k] for r in runs) / kitchens for k in range(4)) for n in range(meals)]  # type: ignore[misc]


def meals_until(
    seed: int,
    differs: Callable[[int, str, str], tuple[float, float]],
    found: Callable[[dict[Key, float], int], bool],
    counts: Callable[[int, str, str], bool],
    grains: tuple[str, ...] = GRAINS,
    bags: str = "",
    meals: int = 60,
) -> int:
    """How many of the meals that count it takes until the lessons held are `found`; 99 if never. differs(n, bag, pot): (share of the grain's
    water, share of the boil-off) that the n-th meal takes beyond the catalogue."""
    rng = random.Random(seed)  # noqa: S311 - a simulation
    held: dict[Key, float] = {}
    entries: list[Entry] = []
    counted = 0
    for n in range(meals):
        bag, pot = rng.choice(bags or " ").strip(), rng.choice(["p1", "p2", "p3"])
        slug = rng.choice(grains)
        f = reckoned(slug, "blue|ordinary", 300.0)
        water, boil = differs(n, bag, pot)
        counted += counts(n, bag, pot)
        known = factors_from(held, slug, pot, bag)
        told = f.need_ml + (known.water - 1) * f.grain_ml + (known.boil_off - 1) * f.boil_ml
        wet = scale((told - f.need_ml - water * f.grain_ml - boil * f.boil_ml) / (WET * f.need_ml) + rng.gauss(0, 0.4))
        entries.append(Entry(str(n), n * 3, slug, pot, bag, f, told, f.cook_min, wet, scale(rng.gauss(0, 0.4))))
        for lesson in lessons(entries, held, {}, {}):
            held[lesson.kind, lesson.subject] = lesson.value
        if found(held, n):
            return counted
    return 99


__all__ = ["GRAINS", "POTS", "cook", "curves", "estimate", "meals_until", "reckoned"]
