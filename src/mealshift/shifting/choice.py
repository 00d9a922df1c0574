"""What the cook asks for. None = as the recipe has it, else the grain's own default."""

from __future__ import annotations

from dataclasses import dataclass, field

from ..pot import Factors, Kitchen
from ..pot.packet import Packet

KEEPS = ("volume", "weight", "plates")


@dataclass(frozen=True, slots=True)
class Choice:
    """keep: same dry volume, same dry weight, or the same cooked yield ("plates")."""

    to: str
    method: str | None = None
    texture: str | float | None = None
    lid: str | None = None
    heat: str | None = None
    soak_min: float | None = None
    soak_water: str = "discarded"
    roast: str | None = None
    sprouted: bool = False
    release: str = "natural"
    whistles: int | None = None
    age: str = "fresh"
    # soup: the broth that is to stay, ml
    broth_ml: float | None = None
    keep: str = "volume"
    servings: float | None = None
    kitchen: Kitchen = field(default_factory=Kitchen)
    factors: Factors = field(default_factory=Factors)
    said_unit: str | None = None
    # the coarse meal is made at home from whole grain
    home_meal: bool = False
    # two or more (slug, share of the volume): a blend, instead of `to`
    blend: tuple[tuple[str, float], ...] = ()
    # what the packets say, of the grains the cook goes by them for
    packets: tuple[Packet, ...] = ()
    # steps the cook wants in the recipe's own words, by these words; "+look": what is inserted of that kind stays out
    as_was: tuple[str, ...] = ()
