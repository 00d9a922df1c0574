"""What is asked of the week: its meals, its target, what is to be bought, which grain for a dish."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Any

from django.db.models import Avg

from mealshift import comparing
from mealshift import week as core
from mealshift.measures import jug_ml
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.results import CompareReport
from mealshift.shifting import Shift as CoreShift
from mealshift.shifting import shift
from mealshift.shifting.backwards import solve_backwards
from mealshift.week.buying import Wanted
from mealshift.week.buying import shopping as shopping_of
from mealshift_server.base.clock import today
from mealshift_server.households.models import Household
from mealshift_server.kitchen.queries import core_kitchen
from mealshift_server.larder.models import Bag
from mealshift_server.notebook.models import Entry
from mealshift_server.recipes import queries as recipes

from .models import Meal, Pace

DAYS = 7


def start_of(day: date) -> date:
    """The Monday of that week."""
    if not 2000 <= day.year <= 2200:
        raise Refusal("day", "day", "That week is out of this kitchen's calendar: give a day between 2000 and 2200.")
    return day - timedelta(days=day.weekday())


def meals(household: Household, start: date) -> list[Meal]:
    return list(
        Meal.objects.filter(household=household, on__gte=start, on__lt=start + timedelta(days=DAYS)).select_related(
            "recipe", "cook", "household"
        )
    )


def pace(household: Household) -> Pace:
    return Pace.objects.filter(household=household).first() or Pace(
        household=household, since=start_of(today(household))
    )


def target(household: Household, start: date, of: int) -> int:
    p = pace(household)
    return core.target(p.per_week, p.grows, p.since, start, of)


def larder_of(household: Household) -> dict[str, float]:
    have: dict[str, float] = {}
    for slug, grams in Bag.objects.filter(household=household).values_list("grain", "grams"):
        have[slug] = have.get(slug, 0.0) + grams
    return have


def recipe_of(meal: Meal) -> Any:
    return read(meal.recipe.text, recipes.measures(meal.household), recipes.corrections_of(meal.recipe.corrections))


def sized(meal: Meal, recipe: Any, choice: dict[str, Any]) -> dict[str, Any]:
    return {**choice, "servings": 2 * recipe.servings} if meal.double and recipe.servings else choice


def shifts(mine: list[Meal]) -> list[tuple[Meal, CoreShift]]:
    """Each meal as it will be cooked; one that stays rice too. Unreadable recipes are left out."""
    out = []
    for m in mine:
        recipe = recipe_of(m)
        try:
            kitchen = core_kitchen(m.household, {})
            raw = m.choice or {"to": solve_backwards(recipe, kitchen).grain.slug}
            raw = sized(m, recipe, raw)
            out.append((m, shift(recipe, recipes.choice_of(raw, m.household))))
        except Refusal:
            continue
    return out


def shopping(household: Household, made: list[tuple[Meal, CoreShift]]) -> list[Wanted]:
    return shopping_of(((m.recipe.title, x) for m, x in made), larder_of(household), recipes.measures(household))


def tonight(made: list[tuple[Meal, CoreShift]], today: date) -> list[str]:
    return core.tonight(((m.on, m.recipe.title, x) for m, x in made if m.choice), today)


# -- which grain tonight -----------------------------------------------------------------------------------------------

# stars of an evening that was neither liked nor disliked
MIDDLE_STARS = 3.0


def compare_text(
    household: Household, text: str, corrections: list[dict[str, Any]], asked: dict[str, Any]
) -> CompareReport:
    """Every grain for a dish, with what is in the larder and what this household gave its stars to."""
    recipe = read(text, recipes.measures(household), recipes.corrections_of(corrections))
    stocked = Bag.objects.filter(household=household, grams__gt=0).values_list("grain", flat=True)
    stars = (
        Entry.objects.filter(household=household, practice=False, stars__isnull=False)
        .order_by()
        .values_list("grain")
        .annotate(mean=Avg("stars"))
    )
    liked = {grain: (mean - MIDDLE_STARS) / 2 for grain, mean in stars}
    return comparing.report(
        recipe,
        core_kitchen(household, asked),
        asked.get("by_hours"),
        bool(asked.get("gluten_free")),
        frozenset(stocked),
        liked,
    )


# -- the page ----------------------------------------------------------------------------------------------------------


def week(household: Household, day: date, without: int | None = None) -> dict[str, Any]:
    """without: the number of a meal, as if it had been taken off already."""
    start = start_of(day)
    rows = [m for m in meals(household, start) if m.pk != without]
    made = shifts(rows)
    of = {m.pk: x for m, x in made}
    goes = pace(household)
    now = today(household)
    return {
        "start": start,
        "today": now,
        "per_week": goes.per_week,
        "grows": goes.grows,
        "target": target(household, start, 7),
        "shifted": sum(m.choice is not None for m in rows),
        "meals": [_meal_row(m, of.get(m.pk), household) for m in rows],
        "tonight": tonight(made, now),
        "shopping": [{"text": w.text, "dishes": list(dict.fromkeys(w.for_))} for w in shopping(household, made)],
    }


def _meal_row(m: Meal, made: CoreShift | None, household: Household) -> dict[str, Any]:
    return {
        "id": m.pk,
        "on": m.on,
        "title": m.recipe.title,
        "recipe_id": m.recipe_id,
        "shifted": m.choice is not None,
        "grain": made.pot.grain.slug if made else "",
        "name": " and ".join([made.pot.grain.name, *(p.grain.name for p in made.aside)]) if made else "",
        "reason": m.reason,
        "parts": [{"grain": g, "share": round(x, 3)} for g, x in core.filling(made)] if made else [],
        "pour_ml": jug_ml(made.pot.pour_ml) if made else None,
        "pour_said": recipes.volume_said(household, jug_ml(made.pot.pour_ml)) if made else "",
        "total_min": made.pot.total_min if made else None,
        "shift_id": m.shift_id,
        "minutes": m.minutes,
        "double": m.double,
        "cook_id": m.cook_id,
        "cook": m.cook.get_username() if m.cook else "",
        "trouble": ""
        if made
        else "This recipe names no grain with an amount: open it and say which line is the grain.",
    }
