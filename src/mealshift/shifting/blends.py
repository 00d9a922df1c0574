"""A blend in a recipe: one pot at a common time, staggered starts, or two pots joined at the end; decided and explained."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ..grains import TEXTURES, Grain, blend, grain
from ..measures import round_half_up
from ..pot import Kitchen, Way
from ..pot.account import default_minutes, soaked_minutes
from ..pot.methods import method as method_row
from ..pot.packet import Packet, by_packet
from ..problems import Problem, Refusal

# minutes, or share of the longest, within which grains may share a pot from the start; beyond the last, lifting the lid late helps no more
MEET, MEET_SHARE, STAGGER = 4.0, 0.2, 35.0


@dataclass(frozen=True, slots=True)
class Plan:
    """kind: single, common, staggered or separate. late: (grain, minutes before the end). aside: (grain, share of the volume)
    cooked in pots of their own. share: the target's part of the volume."""

    kind: str
    target: Grain
    because: str = ""
    share: float = 1.0
    late: tuple[tuple[Grain, float], ...] = ()
    aside: tuple[tuple[Grain, float], ...] = ()
    problems: tuple[Problem, ...] = ()


def plan(
    to: str,
    parts: tuple[tuple[str, float], ...],
    soak_min: float,
    method: str,
    kitchen: Kitchen,
    packets: tuple[Packet, ...] = (),
) -> Plan:
    """How these grains share the recipe's pot. packets: what theirs say, where the cook goes by it. Refusal if shares or grains cannot be."""
    said = {p.grain: p for p in packets}

    def known(slug: str) -> Grain:
        return by_packet(grain(slug), said.get(slug))

    if len(parts) < 2:
        return Plan("single", known(parts[0][0] if parts else to))
    made = _alike(parts, known)
    minutes = {g.slug: _minutes(g, method, soak_min, kitchen) for g, _ in made}
    meet = max(MEET, MEET_SHARE * max(minutes.values()))
    spread = max(minutes.values()) - min(minutes.values())
    problems = _packets(made)
    apart = _apart(made)
    if not apart and spread <= meet:
        times = " and ".join(f"{minutes[g.slug]:.0f}" for g, _ in made)
        at = " at pressure" if method_row(method).locked else ""
        return Plan(
            "common",
            blend(parts, known),
            f"their times meet ({times} minutes{at}): one pot from the start",
            problems=problems,
        )
    if not apart and spread <= STAGGER and method in ("covered", "open", "oven", "drain"):
        longest = max(minutes.values())
        late = tuple((g, minutes[g.slug]) for g, _ in made if longest - minutes[g.slug] > meet)
        times = "; ".join(f"{g.name} for the last {round_half_up(m)}" for g, m in late)
        return Plan(
            "staggered", blend(parts, known), f"one pot, staggered: {times} minutes", late=late, problems=problems
        )
    main = max(made, key=lambda p: p[1])[0]
    aside = tuple((g, s) for g, s in made if g is not main)
    why = apart or f"their times lie {spread:.0f} minutes apart: two pots, joined at the end"
    return Plan("separate", main, why, next(s for g, s in made if g is main), aside=aside, problems=problems)


def _minutes(g: Grain, method: str, soak_min: float, kitchen: Kitchen) -> float:
    """What decides whether grains can share this pot: at the boil, or where it is one, at pressure."""
    if method_row(method).locked and method in g.methods:
        return default_minutes(g, method, soak_min, kitchen)
    return soaked_minutes(g, Way(method="covered", soak_min=soak_min), kitchen)


def _alike(parts: tuple[tuple[str, float], ...], known: Callable[[str], Grain]) -> tuple[tuple[Grain, float], ...]:
    """The grains with shares summing to one. Bad shares are refused by the blend itself, when a texture is at hand."""
    try:
        return blend(parts, known).parts
    except Refusal:
        total = sum(s for _, s in parts)
        made = tuple((known(slug), share / total) for slug, share in parts) if total > 0 else ()
        shared = made and any(all(t in g.hydration for g, _ in made) for t in TEXTURES)
        if shared or len(parts) > 4 or any(s <= 0 for _, s in parts) or len({s for s, _ in parts}) < len(parts):
            raise
        return made


def _apart(made: tuple[tuple[Grain, float], ...]) -> str:
    """Why these never share a pot; "" if they may."""
    if any(g.simmer == 0 for g, _ in made) and not all(g.simmer == 0 for g, _ in made):
        steeped = next(g for g, _ in made if g.simmer == 0)
        return f"{steeped.name} is steeped, the other simmered: two pots, joined at the end"
    if len({g.is_meal for g, _ in made}) > 1:
        return "a meal thickens the water that the whole grain needs: two pots, joined at the end"
    if not any(all(t in g.hydration for g, _ in made) for t in TEXTURES):
        return "they never come out alike: two pots, joined on the plate"
    return ""


def _packets(made: tuple[tuple[Grain, float], ...]) -> tuple[Problem, ...]:
    odd = [g for g, _ in made if g.quick or g.parboiled]
    slow = [g for g, _ in made if not (g.quick or g.parboiled)]
    if not odd or not slow:
        return ()
    kind = "quick-cook" if odd[0].quick else "parboiled"
    return (
        Problem(
            "packet",
            "blend",
            f"{odd[0].name[:1].upper()}{odd[0].name[1:]} is a {kind} kind beside {slow[0].name}: read both packets before mixing, "
            "one may be mush when the other is done.",
        ),
    )
