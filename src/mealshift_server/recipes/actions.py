"""Changes of state of recipes and shifts, one function each; used by the API, the demo seed and the tests."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from django.db import transaction
from django.db.models import F

from mealshift import ENGINE_VERSION
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import as_it_is
from mealshift_server.base.errors import Conflict
from mealshift_server.households.models import Household, User

from .models import Draft, Recipe, Shift
from .queries import choice_of, corrections_of, frozen_choice, measures, shift_text


def keep_recipe(household: Household, text: str, corrections: list[dict[str, Any]]) -> Recipe:
    kept = _as_read(household, text, corrections)
    return Recipe.objects.create(household=household, corrections=corrections, **kept)


def _as_read(household: Household, text: str, corrections: list[dict[str, Any]]) -> dict[str, Any]:
    """What is kept of a text's reading. side: there is no grain in it, and it can be cooked as it is."""
    recipe = read(text, measures(household), corrections_of(corrections))
    side = recipe.source is None
    try:
        as_it_is(recipe)
    except Refusal:
        side = False
    return {"title": recipe.title[:200], "text": recipe.text, "side": side}


def put_draft(household: Household, user: User, data: dict[str, Any]) -> Draft:
    """data: text, corrections, choice, recipe_id (of a recipe that is gone: none)."""
    recipe = Recipe.objects.filter(household=household, pk=data.pop("recipe_id")).first()
    return Draft.objects.update_or_create(household=household, defaults={**data, "recipe": recipe, "by": user})[0]


@transaction.atomic
def change_recipe(recipe: Recipe, version: int, text: str, corrections: list[dict[str, Any]]) -> Recipe:
    """Conflict if the recipe is not the version the cook opened."""
    kept = _as_read(recipe.household, text, corrections)
    changed = Recipe.objects.filter(pk=recipe.pk, household=recipe.household, version=version).update(
        corrections=corrections, version=F("version") + 1, **kept
    )
    if not changed:
        raise Conflict
    recipe.refresh_from_db()
    recipe.save(update_fields=["updated"])
    return recipe


@transaction.atomic
def keep_shift(
    household: Household, recipe: Recipe | None, text: str, corrections: list[dict[str, Any]], choice: dict[str, Any]
) -> Shift:
    """Keeps the shift, and the recipe with it if it was not kept yet. The kitchen as it is now is kept with the choice."""
    choice = frozen_choice(household, choice)
    result = shift_text(household, text, corrections, choice)
    if recipe is None:
        recipe = keep_recipe(household, text, corrections)
    return Shift.objects.create(
        household=household,
        recipe=recipe,
        title=result["title"][:240],
        grain=choice["to"],
        text=recipe.text,
        corrections=corrections,
        choice=choice,
        factors=asdict(choice_of(choice, household).factors),
        engine=ENGINE_VERSION,
        result=result,
    )
