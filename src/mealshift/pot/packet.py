"""A packet's own words as the figures of its grain: "1 part to 2 of water, 12 minutes" means that, under a lid, in a usual pot.

    minutes   become the grain's minutes at the boil, covered, to its usual texture
    ratio     the hydration moves, all textures alike, until a measure of it in the usual pot pours that ratio

A case by hand: quinoa whose packet says 1 to 2 and 12 minutes: 240 ml pour 480; of these boil off 314 cm² × 0.018 × 12 = 68 and 20 on the way,
10 are carried: 402 for 172.8 g, hydration 2.33 where the catalogue has 2.05; every texture × 1.13.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..grains import Grain
from ..measures import MEASURE_ML
from ..problems import Refusal
from .account import solve
from .ways import Kitchen, default_way

# a packet that moves a figure by more than this means another pot, another grain, or a slip of the finger
LEAST_TIMES, MOST_TIMES = 0.55, 1.8


@dataclass(frozen=True, slots=True)
class Packet:
    """grain: its slug. ratio: water to grain by volume; minutes at the boil; None = the packet does not say."""

    grain: str
    ratio: float | None = None
    minutes: float | None = None

    def __post_init__(self) -> None:
        if self.ratio is not None and not 0.5 <= self.ratio <= 12:
            raise Refusal(
                "packet_ratio",
                "packet_ratio",
                "A packet asks for half to twelve times its volume of water; give a number in between.",
            )
        if self.minutes is not None and not 1 <= self.minutes <= 180:
            raise Refusal(
                "packet_min", "packet_min", "A packet asks for 1 to 180 minutes at the boil; give a number in between."
            )


def by_packet(g: Grain, packet: Packet | None) -> Grain:
    """The grain with the packet's figures in the place of the catalogue's. Refusal where they cannot be meant for this grain.

    >>> from mealshift.grains import grain
    >>> said = by_packet(grain("quinoa"), Packet("quinoa", 2.0, 12))
    >>> said.simmer, round(said.hydration["fluffy"], 2)
    (12, 2.33)
    """
    if packet is None or packet.ratio is None and packet.minutes is None:
        return g
    made = g
    if packet.minutes is not None:
        share = packet.minutes / g.simmer if g.simmer else 1.0
        made = replace(
            made,
            simmer=packet.minutes if g.simmer else 0,
            steep_min=packet.minutes if not g.simmer else g.steep_min,
            electric_min=g.electric_min * share if g.electric_min else None,
            quick=g.quick or share < 0.6,
        )
    if packet.ratio is not None:
        way = default_way(made, roast="none")
        pot = solve(made, MEASURE_ML, way, Kitchen())
        h = made.hydration_at(way.texture)
        wanted = h + (packet.ratio * MEASURE_ML - pot.raw_pour_ml) / pot.dry_g
        times = wanted / h
        if not LEAST_TIMES <= times <= MOST_TIMES:
            much = "more" if times > 1 else "less"
            raise Refusal(
                "packet_ratio",
                "packet_ratio",
                f"1 to {packet.ratio:g} is far {much} water than {g.name} holds (about 1 to {pot.pour_ml / MEASURE_ML:.1f}): "
                f"is it by weight, or for a pot that is drained? Leave it out then.",
            )
        made = replace(made, hydration={t: v * times for t, v in made.hydration.items()})
    says = [f"1 to {packet.ratio:g}"] if packet.ratio is not None else []
    says += [f"{packet.minutes:g} minutes"] if packet.minutes is not None else []
    return replace(made, basis={**g.basis, "all": f"its packet says {' and '.join(says)}"})
