"""Asked the other way: this much water, this pot, this depth above the grain → how much grain, or which texture.

The pour rises with the grain, the depth falls with it, the texture rises with the water: each is found by halving.
"""

from __future__ import annotations

from collections.abc import Callable

from ..grains import TEXTURES, Grain
from ..problems import Refusal
from .account import BETWEEN, Brought, Pot, solve
from .ways import Kitchen, Way, cap

LEAST_ML, MOST_ML = 5.0, 20000.0


def grain_for_water(
    grain: Grain, water_ml: float, way: Way, kitchen: Kitchen, brought: tuple[Brought, ...] = ()
) -> Pot:
    """The pot whose pour is this much water. Refusal if even a spoon of grain would want more."""
    if not 20 <= water_ml <= MOST_ML:
        raise Refusal("water", "water", f"{water_ml:g} ml is outside what I can reckon with; give 20 ml to 20 litres.")
    least = solve(grain, LEAST_ML, way, kitchen, brought=brought).raw_pour_ml
    if least > water_ml:
        raise Refusal(
            "water",
            "water",
            f"In this pot {least:.0f} ml boil off before any grain has drunk: use a smaller pot or a tighter lid.",
        )
    return solve(
        grain,
        _halve(lambda ml: solve(grain, ml, way, kitchen, brought=brought).raw_pour_ml - water_ml),
        way,
        kitchen,
        brought=brought,
    )


def grain_for_depth(grain: Grain, depth_cm: float, way: Way, kitchen: Kitchen) -> Pot:
    """The pot in which the right pour stands so many cm above the grain.

    The depth may rise or fall with the grain, depending on how thirsty it is: the two ends say which way to look.
    """
    if not 0 < depth_cm <= 20:
        raise Refusal("depth", "depth", "A depth of water above the grain is between 0 and 20 cm; give one in between.")

    def over(ml: float) -> float:
        return (solve(grain, ml, way, kitchen).raw_pour_ml - BETWEEN * ml) / kitchen.area_cm2 - depth_cm

    most = _fits(grain, way, kitchen)
    if (over(LEAST_ML) > 0) == (over(most) > 0):
        low, high = sorted((over(LEAST_ML) + depth_cm, over(most) + depth_cm))
        raise Refusal(
            "depth",
            "depth",
            f"For {grain.name} in this pot the water stands {low:.1f} to {high:.1f} cm above the grain: give a depth in between.",
        )
    rising = over(most) > 0
    return solve(grain, _halve(over if rising else lambda ml: -over(ml), high=most), way, kitchen)


def grain_for_pot(grain: Grain, way: Way, kitchen: Kitchen) -> Pot:
    """The most grain that this pot takes without boiling over."""
    return solve(grain, _fits(grain, way, kitchen), way, kitchen)


def texture_for_water(grain: Grain, dry_ml: float, water_ml: float, way: Way, kitchen: Kitchen) -> Pot:
    """What texture this much water gives this much grain. Refusal if it is outside what the grain does."""
    low, high = grain.texture_range()

    def over(t: float) -> float:
        return solve(grain, dry_ml, way.with_(texture=t), kitchen).raw_pour_ml - water_ml

    if over(low) > 0.5:
        raise Refusal(
            "water",
            "water",
            f"{water_ml:.0f} ml leave {dry_ml:.0f} ml of {grain.name} hard: it needs {over(low) + water_ml:.0f} ml to come out {TEXTURES[int(low)]}.",
        )
    if over(high) < -0.5:
        raise Refusal(
            "water",
            "water",
            f"{water_ml:.0f} ml drown {dry_ml:.0f} ml of {grain.name}: {over(high) + water_ml:.0f} ml make it {TEXTURES[int(high)]} already.",
        )
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (middle, high) if over(middle) < 0 else (low, middle)
    return solve(grain, dry_ml, way.with_(texture=(low + high) / 2), kitchen)


def _fits(grain: Grain, way: Way, kitchen: Kitchen) -> float:
    def full(ml: float) -> float:
        pot = solve(grain, ml, way, kitchen)
        return 1.0 if any(p.code == "pot_full" for p in pot.problems) else -1.0

    if full(LEAST_ML) > 0:
        raise Refusal("pot_cm", "pot_cm", f"{cap(grain.name)} does not fit a pot this small; give a larger one.")
    return _halve(full) * 0.999


def _halve(rising: Callable[[float], float], low: float = LEAST_ML, high: float = MOST_ML) -> float:
    for _ in range(60):
        middle = (low + high) / 2
        low, high = (middle, high) if rising(middle) < 0 else (low, middle)
    return low
