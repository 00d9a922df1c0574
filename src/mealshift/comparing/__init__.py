"""Every grain for this dish: all grains in their sensible ways, ranked, each with its reason in a sentence.

Only the pot is solved for a candidate, not the whole rewriting: a few hundred cost less than a few shifts.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..grains import TEXTURES, Grain, all_grains
from ..pot import Brought, Kitchen, Pot, Way, default_way, solve
from ..pot.account import said_minutes
from ..pot.ways import cap
from ..problems import Refusal
from ..recipe import Recipe
from ..shifting.backwards import Own, others, solve_backwards

SOAKS = (0.0, 30.0, 480.0)
# dishes that need their grain to cling, and those that need it apart
_CLINGS = {"stirred", "pudding"}
_WEIGHT_TEXTURE, _WEIGHT_TIME = 0.28, 0.22


@dataclass(frozen=True, slots=True)
class Candidate:
    """One grain in one way. gap: texture steps from what the dish wants. total_min: from now to the plate, soak included."""

    grain: Grain
    way: Way
    pot: Pot
    gap: float
    total_min: int
    suited: bool
    in_time: bool
    fits: bool
    score: float
    reason: str


def candidates(
    recipe: Recipe,
    kitchen: Kitchen,
    by_hours: float | None = None,
    gluten_free: bool = False,
    only: frozenset[str] | None = None,
) -> list[Candidate]:
    """All candidates, the best first. only: these grains. Refusal if the recipe has no grain to reckon from."""
    if by_hours is not None and not 0 < by_hours <= 72:
        raise Refusal("by_hours", "by_hours", "Give the hours until the meal as a number above zero, up to 72.")
    own = solve_backwards(recipe, kitchen)
    texture = float(TEXTURES.index(recipe.texture))
    brought = others(recipe)
    found = [_candidate(g, method, soak, texture, recipe, own, kitchen, brought, by_hours)
             for g in all_grains() if not (gluten_free and g.gluten) and (only is None or g.slug in only)
             for method in _methods(g, own) for soak in (SOAKS if g.soak and method != "steep" else (0.0,))]  # fmt: skip
    return sorted(found, key=lambda c: (not c.suited, not c.in_time, -c.score, c.total_min, c.grain.slug))


def best_of_each(ranked: list[Candidate]) -> list[Candidate]:
    """The first of every grain, in rank order."""
    seen: dict[str, Candidate] = {}
    for c in ranked:
        seen.setdefault(c.grain.slug, c)
    return list(seen.values())


def _methods(g: Grain, own: Own) -> tuple[str, ...]:
    """The recipe's own way if the grain does it, pressure where practised, else the grain's first way."""
    mine = (
        own.way.method
        if own.way.method in g.methods
        else next((m for m in ("covered", "open", "steep") if m in g.methods), g.methods[0])
    )
    faster = (
        ("electric-pressure",)
        if "electric-pressure" in g.methods and mine in ("covered", "open") and g.simmer > 20
        else ()
    )
    return (mine, *faster)


def _candidate(
    g: Grain,
    method: str,
    soak: float,
    texture: float,
    recipe: Recipe,
    own: Own,
    kitchen: Kitchen,
    brought: tuple[Brought, ...],
    by_hours: float | None,
) -> Candidate:
    low, high = g.texture_range()
    reached = min(max(texture, low), high)
    lid = own.way.lid if method == own.way.method else None
    roast = "none" if own.toasts and g.roast_never else "fat" if own.toasts else None
    way = default_way(g, method, reached, lid, soak_min=soak, roast=roast)
    pot = solve(g, own.dry_ml, way, kitchen, brought=brought)
    gap = abs(texture - reached)
    total = round(soak) + pot.total_min
    in_time = by_hours is None or total <= by_hours * 60
    fits = not any(p.code == "pot_full" for p in pot.problems)
    why_not = _unsuited(g, recipe, texture, low, high)
    odd = 0.25 if g.is_meal != own.grain.is_meal and texture < 2.5 else 0.0
    patience = min(total, 240) / 240
    score = 1.0 - _WEIGHT_TEXTURE * gap - _WEIGHT_TIME * patience - odd - (0.1 if not fits else 0.0)
    return Candidate(g, way, pot, gap, total, not why_not, in_time, fits, round(score, 4),
                     why_not or _reason(g, way, pot, gap, texture, reached, total, in_time, fits, by_hours))  # fmt: skip


def _unsuited(g: Grain, recipe: Recipe, texture: float, low: float, high: float) -> str:
    """Why this grain does not suit the dish at all; "" if it does."""
    name = cap(g.name)
    if texture <= 1 and low >= 2:
        return f"{name} sets together as it cooks and is never {TEXTURES[round(texture)]}."
    if texture >= 4 and high < 4:
        return f"{name} stays whole and does not turn to {TEXTURES[round(texture)]}."
    if recipe.dish in _CLINGS and g.whole and g.simmer >= 35 and high <= 3:
        return f"{name} will not cling: its skin keeps the starch in."
    if recipe.dish == "stuffing" and g.is_meal:
        return f"{name} turns to a paste inside a filling."
    return ""


def _reason(
    g: Grain,
    way: Way,
    pot: Pot,
    gap: float,
    texture: float,
    reached: float,
    total: int,
    in_time: bool,
    fits: bool,
    by_hours: float | None,
) -> str:
    wanted = g.texture_word(reached)
    parts = [
        f"Comes out {wanted}, as the dish wants"
        if gap == 0
        else f"Nearest it comes is {wanted}, {gap:g} {'step' if gap <= 1 else 'steps'} off"
    ]
    soaked = f", {said_minutes(way.soak_min)} of them in the soak" if way.soak_min else ""
    parts.append(f"{said_minutes(total)} from now{soaked}")
    if way.method == "electric-pressure":
        parts.append("under pressure")
    if not in_time and by_hours is not None:
        parts.append(
            f"too late for a meal in {by_hours:g} h" + (": the soak is no longer possible" if way.soak_min else "")
        )
    if not fits:
        parts.append("needs a bigger pot")
    if g.is_meal and texture < 2.5:
        parts.append("a meal: crumbs, not grains")
    if g.gluten:
        parts.append("with gluten")
    return "; ".join(parts) + "."


def row(c: Candidate) -> dict[str, object]:
    return {
        "grain": c.grain.slug, "name": c.grain.name, "family": c.grain.family, "method": c.way.method, "soak_min": round(c.way.soak_min),
        "texture": TEXTURES[round(c.way.texture)], "texture_word": c.grain.texture_word(c.way.texture), "gap": round(c.gap, 2), "total_min": c.total_min,
        "cook_min": c.pot.cook_typical, "ratio_by_volume": round(c.pot.pour_ml / c.pot.dry_ml, 2), "gluten": c.grain.gluten, "suited": c.suited,
        "in_time": c.in_time, "fits": c.fits, "score": c.score, "reason": c.reason,
    }  # fmt: skip


def report(
    recipe: Recipe, kitchen: Kitchen, by_hours: float | None = None, gluten_free: bool = False
) -> dict[str, object]:
    """The ranking as plain data: the best way of each grain, and how many candidates were weighed."""
    ranked = candidates(recipe, kitchen, by_hours, gluten_free)
    ways: dict[str, list[dict[str, object]]] = {}
    for c in ranked:
        ways.setdefault(c.grain.slug, []).append(row(c))
    return {
        "schema": 1, "title": recipe.title, "dish": recipe.dish, "texture": recipe.texture, "weighed": len(ranked),
        "grains": [{**row(c), "ways": ways[c.grain.slug]} for c in best_of_each(ranked)],
    }  # fmt: skip
