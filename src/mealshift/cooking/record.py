"""What a cooking leaves for the notebook: for every pot, what was predicted beside what was poured and taken."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from ..learning import CATALOGUE, figures
from ..measures import jug_ml, round_half_up
from ..pot import Factors, Pot
from .fold import State
from .script import Script

# what the scales say, at −2 … 2
WET_WORDS = ("dry", "a little dry", "right", "a little wet", "wet")
SOFT_WORDS = ("hard", "a little hard", "right", "a little soft", "mush")
__all__ = ["SOFT_WORDS", "WET_WORDS", "predicted", "records"]


def predicted(pot: Pot, factors: Factors) -> dict[str, Any]:
    """Plain data of a solved pot that the notebook keeps: the numbers told, and the figures to learn from."""
    return {
        "grain": pot.grain.slug,
        "name": pot.grain.name,
        "dry_ml": round_half_up(pot.dry_ml),
        "dry_g": round_half_up(pot.dry_g),
        "method": pot.way.method,
        "lid": pot.way.lid,
        "texture": pot.grain.texture_word(pot.way.texture),
        "soak_min": pot.way.soak_min,
        "pot_cm": pot.kitchen.pot_cm,
        "pour_ml": jug_ml(pot.pour_ml),
        "low_ml": pot.low_ml,
        "high_ml": pot.high_ml,
        "cook_min": pot.cook_typical,
        "yield_g": round_half_up(pot.cooked_g),
        # where the water is poured off, or steam does the work, its amount tells nothing
        "tells_water": not pot.plenty and pot.way.method not in ("steep", "soup"),
        "catalogue": CATALOGUE,
        "figures": asdict(figures(pot, factors)),
        "factors": asdict(factors),
    }


def records(script: Script, state: State, factors: dict[str, Factors]) -> list[dict[str, Any]]:
    """One record for each pot that was cooked to its end. factors: those each pot was solved with. Minutes are at the boil."""
    out = []
    for key, pot in script.pots.items():
        now = state.pots[key]
        cook = next((s for s in script.steps if s.pot == key and s.kind == "cook"), None)
        going = state.steps[cook.id] if cook else None
        if cook is None or going is None or going.start is None or going.end is None or now.poured is None:
            continue
        more = sum(ml for _, ml in now.top_ups)
        # a pot taken off because there was no time left says nothing of how long it takes
        cut = any(k == key and w == "no_time" for _, k, w in state.wrong)
        out.append(
            {
                "pot": key,
                "dish": cook.dish,
                "predicted": predicted(pot, factors.get(key, Factors())),
                "poured_ml": round_half_up(now.poured + more),
                "top_ups_ml": round_half_up(more),
                "taken_min": None if cut else round(going.end - going.start, 1),
                "wrong": [w for _, k, w in state.wrong if k == key],
                "notes": [t for _, t in state.notes],
            }
        )
    return out
