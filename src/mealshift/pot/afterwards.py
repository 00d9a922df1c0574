"""After the pot: cooling, firming in the cold, and what the grain goes on drinking from a dressing, yoghurt, syrup or gravy."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ..results import AfterRow
from .account import Pot

# minutes; spread 3 cm deep. A deep pot (12 cm) takes about 120: the exponent joins the two
SHALLOW_CM, SHALLOW_TAU = 3.0, 25.0
DEPTH_EXPONENT = math.log(120.0 / 25.0) / math.log(12.0 / 3.0)
HOT_C, WARM_C = 95.0, 60.0


@dataclass(frozen=True, slots=True)
class After:
    """cool: minutes until the grain is at or under 60 and 21 °C, spread so deep and left in its pot. drinks_ml: in the first hour."""

    depth_in_pot_cm: float
    spread_to_60: float
    spread_to_21: float
    pot_to_60: float
    pot_to_21: float
    cold_word: str
    drinks_ml: float


def time_constant(depth_cm: float) -> float:
    """Minutes in which two thirds of the way to the room's temperature are gone.

    >>> round(time_constant(3)), round(time_constant(12))
    (25, 120)
    """
    return SHALLOW_TAU * math.pow(max(depth_cm, 0.5) / SHALLOW_CM, DEPTH_EXPONENT)


def minutes_to(celsius: float, depth_cm: float, room_c: float) -> float:
    """Minutes until grain so deep has cooled to `celsius` in a room; inf if the room is warmer."""
    if celsius <= room_c:
        return math.inf
    return time_constant(depth_cm) * math.log((HOT_C - room_c) / (celsius - room_c))


def afterwards(pot: Pot) -> After:
    grain, room = pot.grain, pot.kitchen.room_c
    depth = pot.cooked_ml / pot.kitchen.area_cm2
    low, high = grain.texture_range()
    texture = pot.way.texture
    half_step = grain.hydration_at(min(high, texture + 0.5)) - grain.hydration_at(texture)
    if texture + 0.5 > high:
        half_step = max(half_step, 0.1)
    # the air of a warm kitchen never gets to 21 °C: then "cool" means a degree above it
    cool = max(21.0, room + 1.0)
    return After(
        depth_in_pot_cm=depth,
        spread_to_60=minutes_to(WARM_C, SHALLOW_CM, room),
        spread_to_21=minutes_to(cool, SHALLOW_CM, room),
        pot_to_60=minutes_to(WARM_C, depth, room),
        pot_to_21=minutes_to(cool, depth, room),
        cold_word=grain.texture_word(max(low, texture - 1)),
        drinks_ml=half_step * pot.dry_g,
    )


def report(after: After) -> AfterRow:
    return {
        "spread_to_60_min": round(after.spread_to_60),
        "spread_cool_min": round(after.spread_to_21),
        "pot_to_60_min": round(after.pot_to_60),
        "pot_cool_min": round(after.pot_to_21),
        "cold_texture": after.cold_word,
        "drinks_on_ml": round(after.drinks_ml),
    }
