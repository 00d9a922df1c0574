"""Kitchens whose truth is known: a cook pours what they are told, tastes, says how it came out, and accepts every lesson."""

from __future__ import annotations

import math
import random
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


def cook(seed: int, meals: int, spread: float, every_days: int = 3) -> list[tuple[float, float, float, float]]:
    """For each meal (error of the taught pour, of the untaught, of the taught minutes, of the untaught), as shares of the truth."""
    rng = random.Random(seed)  # noqa: S311 - a simulation
    real = truth(rng, spread)
    held: dict[Key, float] = {}
    entries: list[Entry] = []
    errors = []
    for n in range(meals):
        slug, pot = rng.choice(GRAINS), rng.choice(list(POTS))
        f = reckoned(slug, pot, rng.choice([200.0, 300.0, 400.0]))
        true_ml = f.need_ml + real.water[slug] * f.grain_ml + real.pot[pot] * f.boil_ml
        true_min = f.cook_min * math.exp(real.time[slug])
        known = factors_from(held, slug, pot)
        told_ml = f.need_ml + (known.water - 1) * f.grain_ml + (known.boil_off - 1) * f.boil_ml
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
        wet = scale((got - true_ml) / (WET * f.need_ml) + rng.gauss(0, 0.4))
        soft = scale(math.log(taken / true_min) / SOFT + rng.gauss(0, 0.4))
        entries.append(Entry(str(n), n * every_days, slug, pot, "", f, got, taken, wet, soft))
        for lesson in lessons(entries, held, {}, {}):
            held[lesson.kind, lesson.subject] = lesson.value
    return errors


def scale(x: float) -> float:
    return float(max(-2, min(2, round(x))))


def curves(kitchens: int, meals: int, spread: float) -> list[tuple[float, float, float, float]]:
    """The mean of each error at each meal, over so many kitchens."""
    runs = [cook(seed, meals, spread) for seed in range(kitchens)]
    return [tuple(sum(r[n][k] for r in runs) / kitchens for k in range(4)) for n in range(meals)]  # type: ignore[misc]


__all__ = ["GRAINS", "POTS", "cook", "curves", "estimate", "reckoned"]
