"""The week: which of the household's rice meals to shift, and to what; what to soak tonight; what to buy.

A meal's suggestion is the candidate (see `comparing`) with the best of

    score + LARDER if the larder has enough − AGAIN for every time the grain is in this week already − LATELY if it was cooked lately − NEW if never

and the meals to shift are those whose best is best, spread over the week. A grain the household has never cooked comes in gently, as a third
of a blend with the recipe's own, where both can share the pot.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Any

from ..comparing import Candidate, best_of_each, candidates
from ..pot import Kitchen
from ..pot.account import mass_shares, said_minutes
from ..problems import Refusal
from ..recipe import Recipe
from ..shifting import Shift
from ..shifting.backwards import solve_backwards
from ..shifting.blends import plan as blend_plan

LARDER, AGAIN, LATELY, NEW, NEXT_DAY = 0.30, 0.40, 0.15, 0.10, 0.10
# a grain counts as cooked lately within so many of the last pots
LATELY_POTS = 4
MOST_MEALS = 21


@dataclass(frozen=True, slots=True)
class Meal:
    """One rice meal of the week. minutes: what the evening leaves from the first hand on it to the plate, a soak apart; None: not said."""

    key: str
    on: date
    recipe: Recipe
    minutes: int | None = None


@dataclass(frozen=True, slots=True)
class Suggestion:
    """choice: of the shift, as plain data. minutes: to the plate, the soak included. needs_g: of the new grain, dry."""

    key: str
    choice: dict[str, Any]
    reason: str
    minutes: int
    needs_g: int


def target(per_week: int, grows: bool, since: date, start: date, meals: int) -> int:
    """How many meals of this week to shift: so many, or one more each week from then on, until it is one a day."""
    if not 0 <= per_week <= 7:
        raise Refusal("per_week", "per_week", "Shift none to seven meals a week.")
    weeks = max(0, (start - since).days // 7) if grows else 0
    return min(7, meals, per_week + weeks)


def suggest(
    meals: list[Meal],
    count: int,
    kitchen: Kitchen,
    larder: Mapping[str, float],
    lately: list[str],
    taken: Mapping[date, str] | None = None,
    gluten_free: bool = False,
) -> list[Suggestion]:
    """For `count` of these meals. larder: grams by grain. lately: the grains of the last pots, newest first; none that is not in it is known.
    taken: days of this week that are shifted already, and to what. Meals of unreadable recipes are left out."""
    if len(meals) > MOST_MEALS:
        raise Refusal("meals", "meals", f"A week holds up to {MOST_MEALS} rice meals here.")
    open_: dict[str, tuple[Meal, list[Candidate]]] = {}
    for m in meals:
        try:
            ranked = best_of_each(candidates(m.recipe, kitchen, gluten_free=gluten_free))
            own = solve_backwards(m.recipe, kitchen).grain.slug
        except Refusal:
            continue
        fit = [
            c
            for c in ranked
            if c.suited
            and c.fits
            and c.grain.slug != own
            and (m.minutes is None or c.total_min - c.way.soak_min <= m.minutes)
        ]
        if fit:
            open_[m.key] = (m, fit)
    used, days = list((taken or {}).values()), set(taken or {})
    out: list[Suggestion] = []
    while open_ and len(out) < count:
        best = max(
            (
                (_worth(c, m, used, days, larder, lately), -m.on.toordinal(), m.key, i)
                for m, fit in open_.values()
                for i, c in enumerate(fit)
            ),
        )
        m, fit = open_.pop(best[2])
        c = fit[best[3]]
        out.append(_suggestion(m, c, kitchen, larder, lately))
        used.append(c.grain.slug)
        days.add(m.on)
    return sorted(out, key=lambda s: next(m.on for m in meals if m.key == s.key))


def _worth(
    c: Candidate, m: Meal, used: list[str], days: set[date], larder: Mapping[str, float], lately: list[str]
) -> float:
    slug = c.grain.slug
    near = sum(m.on + timedelta(days=d) in days for d in (-1, 1))
    return (
        c.score
        + LARDER * (larder.get(slug, 0.0) >= c.pot.dry_g)
        - AGAIN * used.count(slug)
        - LATELY * (slug in lately[:LATELY_POTS])
        - NEW * (slug not in lately)
        - NEXT_DAY * near
    )


def _suggestion(m: Meal, c: Candidate, kitchen: Kitchen, larder: Mapping[str, float], lately: list[str]) -> Suggestion:
    own = solve_backwards(m.recipe, kitchen)
    choice: dict[str, Any] = {"to": c.grain.slug, "method": c.way.method, "soak_min": c.way.soak_min}
    needs = c.pot.dry_g
    why = []
    if larder.get(c.grain.slug, 0.0) >= needs:
        why.append("it is in the larder")
    if c.grain.slug not in lately and lately:
        mix = ((own.grain.slug, 2.0), (c.grain.slug, 1.0))
        if blend_plan(own.grain.slug, mix, 0.0, own.way.method, kitchen).target.parts:
            choice = {"to": own.grain.slug, "blend": [{"grain": g, "share": s} for g, s in mix], "soak_min": 0.0}
            needs /= 3
            why.append("new here, so a third of it for a start")
    if c.way.soak_min and choice["soak_min"]:
        why.append(f"soak it {said_minutes(c.way.soak_min)}")
    if not choice.get("blend"):
        # a blend takes as long as the slower of its grains
        why.append(f"{said_minutes(round(c.total_min - c.way.soak_min))} to the plate")
    return Suggestion(
        m.key, choice, f"{c.reason.split(';')[0].rstrip('.')}; {', '.join(why)}.", c.total_min, round(needs)
    )


def filling(made: Shift) -> list[tuple[str, float]]:
    """What fills the bowl: each grain's slug with its share of the weight; the shares are one together."""
    parts = [(g.slug, share * pot.dry_g) for pot in (made.pot, *made.aside) for g, share in mass_shares(pot.grain)]
    whole = sum(grams for _, grams in parts) or 1.0
    return [(slug, grams / whole) for slug, grams in parts]


def tonight(meals: Iterable[tuple[date, str, Shift]], today: date) -> list[str]:
    """What is to be soaked or set to sprout tonight for the days ahead, a sentence each."""
    out = []
    for on, dish, made in meals:
        for pot in (made.pot, *made.aside):
            ahead = (on - today).days
            day = "today" if ahead == 0 else "tomorrow" if ahead == 1 else f"{on:%A}"
            what = f"{round(pot.dry_g)} g {pot.grain.name} for {day}’s {dish}"
            if pot.way.sprouted and ahead == 2:
                out.append(f"Set {what} to sprout.")
            elif pot.way.soak_min > 240 and ahead == 1:
                out.append(f"Soak {what}, {said_minutes(pot.way.soak_min)}; in the fridge if the kitchen is warm.")
    return out
