"""Every grain for this dish: all grains in their sensible ways, ranked by how near the dish they stay, how long they take and whether they are
in the larder, each with what one will notice of it.

Only the pot is solved for a candidate, not the whole rewriting: a few hundred cost less than a few shifts.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from ..grains import TEXTURES, Grain, all_grains
from ..measures import jug_ml, round_half_up
from ..pot import Brought, Kitchen, Pot, Way, default_way, solve
from ..pot.account import said, said_minutes
from ..pot.ways import cap
from ..problems import Refusal
from ..recipe import Recipe
from ..results import CompareReport, RatherRow, WayRow
from ..shifting.backwards import Own, others, solve_backwards
from ..shifting.cookings import paste_in_filling
from .closeness import differs, distance, in_a_row, ring

SOAKS = (0.0, 30.0, 480.0)
# dishes that need their grain to cling, and those that need it apart
_CLINGS = {"stirred", "pudding"}
_WEIGHT_APART, _WEIGHT_TIME = 1.1, 0.22
# what lies in the larder, and what the household liked (1) or did not (−1)
_IN_LARDER, _LIKED = 0.10, 0.08
# so many others are set beside a grain
RATHER = 3


class Candidate(NamedTuple):
    """One grain in one way. gap: texture steps from what the dish wants. away: how much another dish it makes (0: none). total_min: from now to
    the plate, soak included. notice: what differs from what the dish was. kin: the recipe's own grain, or another white rice beside one. unsuited: why it does
    not suit the dish at all. by_hours: when the meal is to be."""

    grain: Grain
    way: Way
    pot: Pot
    gap: float
    away: float
    total_min: int
    notice: tuple[str, ...]
    kin: bool
    unsuited: str
    in_time: bool
    fits: bool
    score: float
    by_hours: float | None

    @property
    def suited(self) -> bool:
        return not self.unsuited

    @property
    def reason(self) -> str:
        """Why it stands where it stands, in a sentence."""
        return self.unsuited or _reason(self)


def candidates(
    recipe: Recipe,
    kitchen: Kitchen,
    by_hours: float | None = None,
    gluten_free: bool = False,
    only: frozenset[str] | None = None,
    larder: frozenset[str] = frozenset(),
    liked: Mapping[str, float] | None = None,
) -> list[Candidate]:
    """All candidates, the best first. only: these grains. larder: what is in it. liked: −1 … 1 by grain. Refusal if the recipe has no grain to reckon from."""
    if by_hours is not None and not 0 < by_hours <= 72:
        raise Refusal("by_hours", "by_hours", "Give the hours until the meal as a number above zero, up to 72.")
    own = solve_backwards(recipe, kitchen)
    texture = float(TEXTURES.index(recipe.texture))
    brought = others(recipe)
    found = [
        c
        for g in all_grains()
        if not (gluten_free and g.gluten) and (only is None or g.slug in only)
        for c in _of_grain(
            g,
            texture,
            recipe,
            own,
            kitchen,
            brought,
            by_hours,
            _IN_LARDER * (g.slug in larder) + _LIKED * (liked or {}).get(g.slug, 0.0),
        )
    ]
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


def _of_grain(
    g: Grain,
    texture: float,
    recipe: Recipe,
    own: Own,
    kitchen: Kitchen,
    brought: tuple[Brought, ...],
    by_hours: float | None,
    bonus: float,
) -> Iterator[Candidate]:
    """One grain in each of its ways, with each soak."""
    low, high = g.texture_range()
    reached = min(max(texture, low), high)
    gap = abs(texture - reached)
    away = distance(own.grain, g, recipe.dish, gap, texture < 2.5)
    before = 1.0 - _WEIGHT_APART * away + bonus
    unsuited, kin = _unsuited(g, recipe, texture, low, high), _kin(own.grain, g)
    roast = "none" if own.toasts and g.roast_never else "fat" if own.toasts else None
    for method in _methods(g, own):
        lid = own.way.lid if method == own.way.method else None
        for soak in SOAKS if g.soak and method != "steep" else (0.0,):
            way = default_way(g, method, reached, lid, soak_min=soak, roast=roast)
            pot = solve(g, own.dry_ml, way, kitchen, brought=brought)
            total = round(soak) + pot.total_min
            in_time = by_hours is None or total <= by_hours * 60
            fits = "pot_full" not in [p.code for p in pot.problems]
            alike = own.pot.need_ml and not way.row.plenty and not own.way.row.plenty
            drinks = pot.need_ml / own.pot.need_ml if alike else 1.0
            score = before - _WEIGHT_TIME * min(total, 240) / 240 - (0.0 if fits else 0.1)
            yield Candidate(
                g,
                way,
                pot,
                gap,
                round(away, 3),
                total,
                tuple(differs(own.grain, g, recipe.dish, drinks=drinks)),
                kin,
                unsuited,
                in_time,
                fits,
                round(score, 4),
                by_hours,
            )


def _kin(own: Grain, other: Grain) -> bool:
    """Nobody who leaves white rice behind looks for another white rice."""
    white = own.family == other.family == "rice" and not own.whole and not other.whole
    return own.slug == other.slug or white


def _unsuited(g: Grain, recipe: Recipe, texture: float, low: float, high: float) -> str:
    """Why this grain does not suit the dish at all; "" if it does."""
    name = cap(g.name)
    if texture <= 1 and low >= 2:
        return f"{name} sets together as it cooks and is never {TEXTURES[round(texture)]}."
    if texture >= 4 and high < 4:
        return f"{name} stays whole and does not turn to {TEXTURES[round(texture)]}."
    if recipe.dish in _CLINGS and g.whole and g.simmer >= 35 and high <= 3:
        return f"{name} will not cling: its skin keeps the starch in."
    return paste_in_filling(recipe, g)


def _reason(c: Candidate) -> str:
    g, way, gap, notice = c.grain, c.way, c.gap, c.notice
    wanted = g.texture_word(way.texture)
    parts = (
        [
            f"{cap(in_a_row(list(notice)))}; {wanted}, as the dish wants"
            if notice
            else f"Hardly to be told apart; {wanted}, as the dish wants"
        ]
        if gap == 0
        else [
            *([cap(in_a_row(list(notice)))] if notice else []),
            f"nearest it comes is {wanted}, {gap:g} {'step' if gap <= 1 else 'steps'} off",
        ]
    )
    soaked = f", {said_minutes(way.soak_min)} of them in the soak" if way.soak_min else ""
    parts.append(f"{said_minutes(c.total_min)} from now{soaked}")
    if way.method == "electric-pressure":
        parts.append("under pressure")
    if not c.in_time and c.by_hours is not None:
        parts.append(
            f"too late for a meal in {c.by_hours:g} h" + (": the soak is no longer possible" if way.soak_min else "")
        )
    if not c.fits:
        parts.append("needs a bigger pot")
    if g.is_meal and way.texture < 2.5:
        parts.append("a meal: crumbs, not grains")
    if g.gluten:
        parts.append("with gluten")
    return "; ".join(parts) + "."


def row(c: Candidate) -> WayRow:
    return {
        "grain": c.grain.slug,
        "name": c.grain.name,
        "family": c.grain.family,
        "method": c.way.method,
        "soak_min": round(c.way.soak_min),
        "texture": TEXTURES[round(c.way.texture)],
        "texture_word": c.grain.texture_word(c.way.texture),
        "gap": round(c.gap, 2),
        "total_min": c.total_min,
        "cook_min": c.pot.cook_typical,
        "ratio_by_volume": round(c.pot.pour_ml / c.pot.dry_ml, 2),
        "gluten": c.grain.gluten,
        "suited": c.suited,
        "in_time": c.in_time,
        "fits": c.fits,
        "score": c.score,
        "reason": c.reason,
        "away": c.away,
        "ring": ring(c.away),
        "notice": list(c.notice),
        "kin": c.kin,
        "pour_ml": jug_ml(c.pot.pour_ml),
        "pour_said": said(c.pot.pour_ml, *c.pot.kitchen.pours_in),
        "rest_min": round_half_up(c.pot.rest_min),
    }


def _rather(mine: Candidate, ranked: list[Candidate], dish: str) -> list[RatherRow]:
    """The nearest others of another kind, and how each would differ from this one."""
    out: list[RatherRow] = []
    for c in ranked:
        if c.grain.slug == mine.grain.slug or c.kin or not (c.suited and c.in_time) or len(out) == RATHER:
            continue
        words = differs(mine.grain, c.grain, dish, most=2)
        later = c.total_min - mine.total_min
        if abs(later) >= 3:
            words.append(f"{said_minutes(abs(later))} {'later' if later > 0 else 'sooner'}")
        out.append({"grain": c.grain.slug, "name": c.grain.name, "text": ", ".join(words) or "hardly to be told apart"})
    return out


def report(
    recipe: Recipe,
    kitchen: Kitchen,
    by_hours: float | None = None,
    gluten_free: bool = False,
    larder: frozenset[str] = frozenset(),
    liked: Mapping[str, float] | None = None,
) -> CompareReport:
    """The ranking as plain data: the best way of each grain, and how many candidates were weighed."""
    ranked = candidates(recipe, kitchen, by_hours, gluten_free, larder=larder, liked=liked)
    ways: dict[str, list[WayRow]] = {}
    for c in ranked:
        ways.setdefault(c.grain.slug, []).append(row(c))
    best = best_of_each(ranked)
    own = next((c for c in best if c.grain.slug == recipe.source_line.grain), None) if recipe.source_line else None
    return {
        "schema": 1,
        "title": recipe.title,
        "dish": recipe.dish,
        "texture": recipe.texture,
        "weighed": len(ranked),
        "was": {"grain": own.grain.slug, "name": own.grain.name, "family": own.grain.family} if own else None,
        "grains": [
            {
                **row(c),
                "in_larder": c.grain.slug in larder,
                "rather": _rather(c, best, recipe.dish),
                "ways": ways[c.grain.slug],
            }
            for c in best
        ],
    }
