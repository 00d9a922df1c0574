"""What to do at the stove, stage by stage, for a way of cooking: minutes and a sentence each."""

from __future__ import annotations

import math

from ..measures import round_half_up
from .account import Pot

MICROWAVE_STAGE = 8.0
KEEP_WARM_MIN = 30


def stages(pot: Pot) -> list[tuple[str, int]]:
    """(sentence, minutes) in order; the minutes are those of the time ledger."""
    way, cook = pot.way, pot.cook_typical
    up, rest = round_half_up(pot.come_up_min), round_half_up(pot.rest_min)
    short = pot.grain.short
    if way.method == "microwave":
        n = max(1, math.ceil(cook / MICROWAVE_STAGE))
        parts = [cook // n + (1 if i < cook % n else 0) for i in range(n)]
        said = [
            (
                f"{m} minutes at {pot.kitchen.watts:g} W, lid vented"
                + (", then stir and look: is there water?" if i < n - 1 else ""),
                m,
            )
            for i, m in enumerate(parts)
        ]
        return [("to the boil in a tall vessel, no more than half full", up), *said, ("leave it closed", rest)]
    if way.method == "rice-cooker":
        return [("heats up", up), ("cooks until it is dry and clicks", cook), ("leave it closed on keep-warm", rest),
                (f"fork it out within {KEEP_WARM_MIN} minutes: keep-warm goes on drying it", 0)]  # fmt: skip
    if way.method == "electric-pressure":
        let = (
            "let the pressure fall by itself"
            if way.release == "natural"
            else "let the pressure out, hands away from the valve"
        )
        return [
            ("comes up to pressure", up),
            ("holds at high pressure", cook),
            (let, round_half_up(pot.release_min)),
            ("open it, leave it a moment, loosen", rest),
        ]
    if way.method == "pressure":
        count = round_half_up(cook / pot.kitchen.whistle_min)
        let = (
            "off the heat; the pressure falls by itself"
            if way.release == "natural"
            else "off the heat; let the pressure out, hands away from the valve"
        )
        return [
            ("comes up to pressure", up),
            (f"about {count} whistles, medium heat", cook),
            (let, round_half_up(pot.release_min)),
            ("open it, leave it a moment, loosen", rest),
        ]
    if way.method == "steep":
        return [("boil the water in the kettle", up), (f"pour it over the {short}, cover, off the heat", cook)]
    if way.method == "off-heat":
        return [
            ("to the boil", up),
            ("simmer, lid on", cook),
            ("off the heat, lid closed, do not look: here it cooks", rest),
        ]
    if way.method == "flush":
        return [
            ("to the boil", up),
            ("boil firmly, lid sealed", cook),
            ("flush with boiling water in a sieve until it runs clear, back in the warm pot", rest),
        ]
    if way.method == "drain":
        return [
            ("bring plenty of water to the boil", up),
            (f"boil the {short}, taste early", cook),
            ("drain, back in the warm pot, lid on, to steam dry", rest),
        ]
    if way.method == "steam":
        return [
            ("the base to the boil", up),
            (f"steam the soaked {short} in a cloth, turn it once", cook),
            ("leave it covered", rest),
        ]
    if way.method == "cook-ahead":
        return [
            ("to the boil", up),
            ("simmer, lid on", cook),
            ("spread it to cool, then the fridge; in the dish a splash and 3 minutes of steam", rest),
        ]
    if way.method == "oven":
        return [
            ("the dish heats through", up),
            ("in the oven, " + ("uncovered" if way.lid == "open" else "covered"), cook),
            ("out of the oven, leave it", rest),
        ]
    lid = {"open": "no lid", "sealed": "a cloth under the lid", "tight": "tight lid", "ajar": "lid ajar"}.get(
        way.lid, "lid on"
    )
    return [("to the boil", up), (f"lowest heat, {lid}", cook), ("off the heat, lid closed", rest)]
