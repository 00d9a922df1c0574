"""Changes of state of the week, one function each."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Any

from django.db import transaction
from django.db.models import Avg

from mealshift import comparing
from mealshift import week as core
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.results import CompareReport
from mealshift.shifting import Shift as CoreShift
from mealshift.shifting import shift
from mealshift.shifting.backwards import solve_backwards
from mealshift.week.buying import Wanted
from mealshift.week.buying import shopping as shopping_of
from mealshift_server.base.clock import today
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.actions import core_kitchen
from mealshift_server.larder.models import Bag
from mealshift_server.notebook.models import Entry
from mealshift_server.recipes import actions as recipes
from mealshift_server.recipes.models import Recipe, Shift

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


def set_pace(household: Household, per_week: int, grows: bool) -> None:
    core.target(per_week, grows, today(household), today(household), 7)
    mine = pace(household)
    if grows and not mine.grows:
        mine.since = start_of(today(household))
    mine.per_week, mine.grows = per_week, grows
    mine.save()


def target(household: Household, start: date, of: int) -> int:
    p = pace(household)
    return core.target(p.per_week, p.grows, p.since, start, of)


def put_on(household: Household, recipe: Recipe, on: date) -> Meal:
    if Meal.objects.filter(household=household, on=on).count() >= 3:
        raise Refusal("on", "on", "Three rice meals are enough for one day: choose another.")
    return Meal.objects.create(household=household, recipe=recipe, on=on)


def change(meal: Meal, data: dict[str, Any]) -> Meal:
    """on, cook_id, minutes, double, shifted (False: back to rice); only what is given."""
    if "on" in data:
        meal.on = data["on"]
    if "cook_id" in data:
        cook = User.objects.filter(household=meal.household, pk=data["cook_id"]).first() if data["cook_id"] else None
        if data["cook_id"] and cook is None:
            raise Refusal("cook_id", "cook_id", "That cook is not of your household: choose another.")
        meal.cook = cook
    if "minutes" in data:
        if data["minutes"] is not None and not 5 <= data["minutes"] <= 600:
            raise Refusal(
                "minutes", "minutes", "An evening leaves 5 to 600 minutes; give a number in between, or none."
            )
        meal.minutes = data["minutes"]
    if "double" in data and data["double"] is not None:
        if data["double"] and _recipe(meal).servings is None:
            raise Refusal(
                "double",
                "double",
                "The recipe does not say how many it serves: add a line such as “Serves 4”, then cook double.",
            )
        if data["double"] != meal.double:
            # what was kept for the evening was of the other size
            meal.double, meal.shift = data["double"], None
    if data.get("shifted") is False:
        meal.choice, meal.reason, meal.shift = None, "", None
    meal.save()
    return meal


@transaction.atomic
def as_last_week(household: Household, start: date) -> int:
    """Puts the meals of the last week that had any on the same days of this one, as rice. How many."""
    last = Meal.objects.filter(household=household, on__lt=start).order_by("-on").first()
    if last is None:
        raise Refusal(
            "usual", "", "There is no week before this one yet: put your usual rice meals on their days once."
        )
    there = {(m.recipe_id, m.on) for m in meals(household, start)}
    back = start_of(last.on)
    made = 0
    for m in meals(household, back):
        on = start + (m.on - back)
        if (m.recipe_id, on) not in there:
            Meal.objects.create(household=household, recipe=m.recipe, on=on, minutes=m.minutes, cook=m.cook)
            made += 1
    return made


def larder_of(household: Household) -> dict[str, float]:
    have: dict[str, float] = {}
    for slug, grams in Bag.objects.filter(household=household).values_list("grain", "grams"):
        have[slug] = have.get(slug, 0.0) + grams
    return have


def _recipe(meal: Meal) -> Any:
    return read(meal.recipe.text, recipes.measures(meal.household), recipes.corrections_of(meal.recipe.corrections))


def _sized(meal: Meal, recipe: Any, choice: dict[str, Any]) -> dict[str, Any]:
    return {**choice, "servings": 2 * recipe.servings} if meal.double and recipe.servings else choice


def suggest(household: Household, start: date, today: date) -> list[Meal]:
    """Suggestions for as many of the week's meals as the household wants shifted, beyond those that are; none for days that have passed."""
    mine = meals(household, start)
    open_ = [m for m in mine if m.choice is None and m.on >= today]
    count = target(household, start, len(mine)) - sum(m.choice is not None for m in mine)
    if not open_ and any(m.choice is None for m in mine):
        raise Refusal("suggest", "", "The days of the meals that are left have passed: put rice meals on days to come.")
    if count <= 0 or not open_:
        raise Refusal(
            "suggest",
            "",
            "As many meals as you want are shifted already: raise the number, or put more rice meals on the week.",
        )
    lately = list(Entry.objects.filter(household=household).values_list("grain", flat=True)[:40])
    taken = {m.on: m.choice["to"] for m in mine if m.choice}
    asked = [core.Meal(str(m.pk), m.on, _recipe(m), m.minutes) for m in open_]
    found = {
        s.key: s for s in core.suggest(asked, count, core_kitchen(household, {}), larder_of(household), lately, taken)
    }
    if not found:
        raise Refusal(
            "suggest",
            "",
            "No grain suits these meals in the time there is: leave the evening more minutes, or bring other dishes.",
        )
    for m in open_:
        if s := found.get(str(m.pk)):
            m.choice, m.reason = s.choice, s.reason[:400]
            m.save()
    return mine


def keep(meal: Meal) -> Shift:
    """The meal's shift, kept once, to plan and to cook."""
    if meal.choice is None:
        raise Refusal("shift", "", "This meal stays rice: shift it first.")
    if meal.shift is None:
        choice = _sized(meal, _recipe(meal), meal.choice)
        meal.shift = recipes.keep_shift(meal.household, meal.recipe, meal.recipe.text, meal.recipe.corrections, choice)
        meal.save(update_fields=["shift"])
    return meal.shift


def shifts(mine: list[Meal]) -> list[tuple[Meal, CoreShift]]:
    """Each meal as it will be cooked; one that stays rice too. Unreadable recipes are left out."""
    out = []
    for m in mine:
        recipe = _recipe(m)
        try:
            kitchen = core_kitchen(m.household, {})
            raw = m.choice or {"to": solve_backwards(recipe, kitchen).grain.slug}
            raw = _sized(m, recipe, raw)
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
