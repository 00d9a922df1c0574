"""Simulated stand-ins for a kitchen scale and a pot probe, driven by the pot's simulation; and what their readings mean.

A scale under the pot weighs vessel + dry grain + all water that is still there, wherever it is. So

    free = weight − vessel − m · (1 + hydration)             hydration from the simulated pot

and what has boiled off since the pour is poured + topped up − what is left: the scale sees it directly, whatever the lid does.
The stand-ins read to the gram and the tenth of a degree, as cheap ones do, and may be given a truth of their own (`boil_off`):
a pot that loses more than its figure says, which only a scale would notice.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..pot import Pot
from ..pot.simulation import Run
from .fold import State

VESSEL_G = 1200.0


@dataclass(frozen=True, slots=True)
class Reading:
    """What the scale says about the pot. free_ml: water the grain can still drink. off_by_ml: beside the model's free water."""

    free_ml: float
    off_by_ml: float
    text: str


def scale_grams(pot: Pot, run: Run, minute: float, vessel_g: float = VESSEL_G, boil_off: float = 1.0) -> float:
    """Grams on the simulated scale so many minutes after the heat went on. boil_off: this pot's true loss beside the model's."""
    at = min(run.moments, key=lambda m: abs(m.minute - minute))
    rows = {r.term: r.amount for r in pot.rows}
    # what other things in the pot have drunk is still in the pot
    others = rows.get("absorber", 0.0) * min(1.0, max(0.0, (minute - run.boil_at) / (pot.cook_min or 1.0)))
    lost = run.boiled_off_ml * min(1.0, max(0.0, minute - run.boil_at) / max(0.25, run.off_at - run.boil_at))
    return float(
        round(vessel_g + pot.dry_g * (1 + at.hydration) + at.free_ml + max(0.0, others) - (boil_off - 1.0) * lost)
    )


def probe_celsius(run: Run, minute: float) -> float:
    """°C at the simulated probe so many minutes after the heat went on."""
    return round(min(run.moments, key=lambda m: abs(m.minute - minute)).celsius, 1)


def weighed(pot: Pot, run: Run, minute: float, grams: float, vessel_g: float = VESSEL_G) -> Reading:
    """How much free water a weight leaves, beside what the model thinks; a sentence for the cook."""
    at = min(run.moments, key=lambda m: abs(m.minute - minute))
    off_by = grams - scale_grams(pot, run, minute, vessel_g)
    free = max(0.0, at.free_ml + off_by)
    if abs(off_by) <= max(15.0, 0.05 * pot.dry_g):
        said = "as reckoned"
    else:
        said = f"{abs(off_by):.0f} ml {'more' if off_by > 0 else 'less'} than reckoned"
    more = max(0.0, at.free_ml - free)
    splash = f" Pour {10 * round(more / 10)} ml of boiling water." if off_by < -15 and more >= 10 else ""
    return Reading(free, off_by, f"About {free:.0f} ml are still free, {said}.{splash}")


def last_weight(state: State, key: str) -> tuple[float, float] | None:
    """(minute, grams) of the newest weighing of a pot."""
    return max(state.pots[key].weighed, default=None)
