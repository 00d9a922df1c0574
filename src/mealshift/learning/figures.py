"""What one pot was reckoned with, as the estimate needs it: the catalogue's own shares, whatever was learnt by then taken off."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from typing import Any

from ..grains import grain as grain_of
from ..pot import Factors, Kitchen, Pot, default_way, solve
from ..pot.account import texture_time
from ..problems import Refusal

# counts up whenever the catalogue's water or minutes are set anew: what was learnt against other figures is not reckoned with
CATALOGUE = 2


@dataclass(frozen=True, slots=True)
class Figures:
    """grain_ml: what the grain drinks by the catalogue. boil_ml: what boils off by the pot's tested figure. need_ml: the whole need by
    the catalogue. taught_ml: the need as it was reckoned. cook_min: minutes by the catalogue. step_ml, step_log: what one texture step
    adds to need and to the logarithm of the minutes."""

    grain_ml: float
    boil_ml: float
    need_ml: float
    taught_ml: float
    cook_min: float
    step_ml: float
    step_log: float


def figures(pot: Pot, factors: Factors) -> Figures:
    """Of a solved pot and the factors it was solved with."""
    rows = {r.term: r.amount for r in pot.rows}
    texture, (low, high) = pot.way.texture, pot.grain.texture_range()
    a, b = max(low, texture - 0.5), min(high, texture + 0.5)
    wide = max(b - a, 1e-9)
    step_ml = (pot.grain.hydration_at(b) - pot.grain.hydration_at(a)) / wide * pot.dry_g if b > a else 0.0
    step_log = math.log(texture_time(pot.grain, b) / texture_time(pot.grain, a)) / wide if b > a else 0.0
    # what the household likes softer is no property of the grain: the catalogue's figure is that of the dish's own texture
    liked = factors.liking * step_ml
    boil = rows.get("boil_off", 0.0) / factors.boil_off
    grain = rows.get("grain", 0.0) + rows.get("age", 0.0) - liked
    learnt = rows.get("learnt", 0.0) + rows.get("boil_off", 0.0) - boil + liked
    return Figures(
        round(grain, 2),
        round(boil, 2),
        round(max(1.0, pot.need_ml - learnt), 2),
        round(max(1.0, pot.need_ml), 2),
        round(pot.cook_min / factors.time / math.exp(factors.liking * step_log), 3),
        round(step_ml, 2),
        round(step_log, 4),
    )


def renewed(kept: dict[str, Any]) -> Figures:
    """The figures of an entry as it keeps them; of an older catalogue: what the grain drinks, boils off and takes
    by today's figures, the rest of its need as it was. What was poured and taken is true whatever the catalogue said."""
    was = Figures(**kept["figures"])
    if kept.get("catalogue") == CATALOGUE:
        return was
    try:
        g = grain_of(kept["grain"])
        words = {g.texture_word(i): i for i in range(5, -1, -1)}
        low, high = g.texture_range()
        texture = min(max(float(words.get(kept["texture"], 1)), low), high)
        way = default_way(g, kept["method"], texture, kept["lid"], soak_min=kept["soak_min"] if g.soak else 0.0)
        now = figures(solve(g, kept["dry_ml"], way, Kitchen(pot_cm=kept["pot_cm"])), Factors())
    except (Refusal, KeyError):
        # a blend, or a way that this grain no longer has
        return was
    need = max(1.0, was.need_ml - was.grain_ml - was.boil_ml + now.grain_ml + now.boil_ml)
    return replace(now, need_ml=round(need, 2), taught_ml=was.taught_ml)
