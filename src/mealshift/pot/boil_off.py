"""The boil-off test: weigh or measure water, simmer it, measure again; what is gone is what this pot loses.

    rate   = (before − after) / minutes at the boil            ml a minute
    factor = rate / (area · usual rate of that lid and heat)   1 = as usual

A case by hand: 1,000 ml in a 20 cm pot under its lid, ten minutes, 940 ml left: 6.0 ml a minute where 314 cm² × 0.018 = 5.7 are
usual: factor 1.06. The pot's figure moves with it for every lid, for what differs between pots is mostly how the lid sits
and how strongly the burner drives, and both scale the loss.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..problems import Problem, Refusal
from .ways import BRISK, EVAPORATION, LIDS, Kitchen

SHORTEST_MIN, LONGEST_MIN = 5.0, 40.0
LEAST_ML = 300.0
# a kitchen scale or jug reads to about so much: a test that lost less says little
READS_TO_ML = 5.0


@dataclass(frozen=True, slots=True)
class BoilOff:
    """rate: ml a minute at the boil. usual: what a pot so wide loses. factor: rate ÷ usual. band: how far it may be off, as a share."""

    rate: float
    usual: float
    factor: float
    band: float
    said: str
    problems: tuple[Problem, ...] = ()


def boil_off_test(
    kitchen: Kitchen, before_ml: float, after_ml: float, minutes: float, lid: str, heat: str = "gentle"
) -> BoilOff:
    """What the pot loses, from the water before and after so many minutes at the boil. Refusal where that cannot be.

    >>> round(boil_off_test(Kitchen(pot_cm=20), 1000, 940, 10, "ordinary").factor, 2)
    1.06
    """
    if lid not in LIDS:
        raise Refusal("lid", "lid", f"“{lid[:30]}” is not a lid; choose one of {', '.join(LIDS)}.")
    if not LEAST_ML <= before_ml <= 20000:
        raise Refusal(
            "before_ml", "before_ml", f"Start with {LEAST_ML:g} ml to 20 litres of water; half a litre does well."
        )
    if not SHORTEST_MIN <= minutes <= LONGEST_MIN:
        raise Refusal("minutes", "minutes", f"Let it simmer {SHORTEST_MIN:g} to {LONGEST_MIN:g} minutes; ten do well.")
    lost = before_ml - after_ml
    if after_ml < 0 or lost <= 0:
        raise Refusal(
            "after_ml", "after_ml", "More water than before? Measure again what is left; some must have boiled off."
        )
    usual = kitchen.area_cm2 * EVAPORATION[lid] * (BRISK if heat == "brisk" else 1.0)
    rate = lost / minutes
    factor = rate / usual
    if after_ml < 30 or not 0.2 <= factor <= 5:
        raise Refusal(
            "after_ml",
            "after_ml",
            f"{lost:.0f} ml in {minutes:g} minutes is {factor:.1f} times what such a pot loses: check both measures, "
            "and that it simmered the whole time under that lid.",
        )
    band = min(1.0, READS_TO_ML * 2**0.5 / lost)
    problems = []
    if band > 0.25:
        problems.append(
            Problem(
                "rough",
                "after_ml",
                f"Only {lost:.0f} ml went, which a jug hardly shows: good to {band:.0%}. A scale or twenty minutes tell more.",
                "note",
            )
        )
    much = (
        "as usual for"
        if 0.95 <= factor <= 1.05
        else f"{abs(factor - 1):.0%} {'more' if factor > 1 else 'less'} than usual for"
    )
    return BoilOff(
        rate, usual, factor, band, f"{rate:.1f} ml a minute, {much} a pot {kitchen.pot_cm:g} cm wide.", tuple(problems)
    )
