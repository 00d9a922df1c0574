"""What the household has accepted, as the core's factors."""

from __future__ import annotations

from typing import Any

from mealshift.learning import CATALOGUE, factors_from
from mealshift.pot import Factors
from mealshift_server.households.models import Household

from .models import Decision

Key = tuple[str, str]


def held(household: Household) -> dict[Key, float]:
    return {
        (d.kind, d.subject): d.held
        # what was learnt against other figures of the catalogue is offered anew, not reckoned with
        for d in Decision.objects.filter(household=household, held__isnull=False, catalogue=CATALOGUE)
        if d.held is not None
    }


def factors_for(household: Household, raw: dict[str, Any], pot_id: int | None) -> Factors:
    """Of a choice as plain data: those it was kept with, else those that hold now. A blend has no grain of its own to have learnt."""
    if raw.get("factors"):
        return Factors(**{k: float(v) for k, v in raw["factors"].items() if k in Factors.__slots__})
    known = held(household)
    if not known:
        return Factors()
    grain = "" if raw.get("blend") else raw["to"]
    return factors_from(known, grain, str(pot_id or ""), str(raw.get("bag_id") or ""))
