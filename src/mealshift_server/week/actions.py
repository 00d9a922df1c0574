"""Changes of state of the week, one function each."""

from __future__ import annotations

from datetime import date
from typing import Any

from django.db import transaction

from mealshift import week as core
from mealshift.problems import Refusal
from mealshift_server.base.clock import today
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.queries import core_kitchen
from mealshift_server.notebook.models import Entry
from mealshift_server.recipes import actions as recipes
from mealshift_server.recipes.models import Recipe, Shift

from .models import Meal
from .queries import larder_of, meals, pace, recipe_of, sized, start_of, target


def set_pace(household: Household, per_week: int, grows: bool) -> None:
    core.target(per_week, grows, today(household), today(household), 7)
    mine = pace(household)
    if grows and not mine.grows:
        mine.since = start_of(today(household))
    mine.per_week, mine.grows = per_week, grows
    mine.save()


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
        if data["double"] and recipe_of(meal).servings is None:
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
    asked = [core.Meal(str(m.pk), m.on, recipe_of(m), m.minutes) for m in open_]
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
        choice = sized(meal, recipe_of(meal), meal.choice)
        meal.shift = recipes.keep_shift(meal.household, meal.recipe, meal.recipe.text, meal.recipe.corrections, choice)
        meal.save(update_fields=["shift"])
    return meal.shift
