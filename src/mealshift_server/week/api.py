"""The week's doors."""

from __future__ import annotations

import csv
import datetime as dt
import io
from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from django.utils import timezone
from ninja import Router, Status

from mealshift import writing
from mealshift.results import Compared
from mealshift.tables import safe_cell
from mealshift_server.base.answers import BAD, MISSING, a_file
from mealshift_server.base.clock import today
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.scope import house
from mealshift_server.recipes.models import Recipe

from . import actions, queries
from . import schemas as s
from .models import Meal

router = Router(tags=["week"])


def _meals(request: HttpRequest) -> QuerySet[Meal]:
    return Meal.objects.filter(household=house(request)).select_related("recipe", "household")


@router.get("/week", response={200: s.WeekOut, 401: Trouble, 422: Trouble})
def week(request: HttpRequest, day: dt.date | None = None, without: int | None = None) -> Any:
    return queries.week(house(request), day or today(house(request)), without)


@router.post("/week/meals", response={201: s.WeekOut, **MISSING})
def put_on(request: HttpRequest, data: s.MealIn) -> Any:
    mine = house(request)
    actions.put_on(mine, get_object_or_404(Recipe, household=mine, pk=data.recipe_id), data.on)
    return Status(201, queries.week(house(request), data.on))


@router.put("/week/meals/{int:meal_id}", response={200: s.WeekOut, **MISSING})
def change_meal(request: HttpRequest, meal_id: int, data: s.MealChange) -> Any:
    meal = get_object_or_404(_meals(request), pk=meal_id)
    given = data.model_dump(exclude_unset=True)
    if given.get("on", meal.on) is None:
        del given["on"]
    actions.change(meal, given)
    return queries.week(house(request), meal.on)


@router.delete("/week/meals/{int:meal_id}", response={200: s.WeekOut, **MISSING})
def take_off(request: HttpRequest, meal_id: int) -> Any:
    meal = get_object_or_404(_meals(request), pk=meal_id)
    meal.delete()
    return queries.week(house(request), meal.on)


@router.post("/week/meals/{int:meal_id}/keep", response={200: s.KeptId, **MISSING})
def keep_meal(request: HttpRequest, meal_id: int) -> Any:
    return {"shift_id": actions.keep(get_object_or_404(_meals(request), pk=meal_id)).pk}


@router.post("/week/suggest", response={200: s.WeekOut, **BAD})
def suggest(request: HttpRequest, data: s.StartIn) -> Any:
    mine = house(request)
    actions.suggest(mine, queries.start_of(data.start), today(mine))
    return queries.week(house(request), data.start)


@router.post("/week/usual", response={200: s.WeekOut, **BAD})
def usual(request: HttpRequest, data: s.StartIn) -> Any:
    actions.as_last_week(house(request), queries.start_of(data.start))
    return queries.week(house(request), data.start)


@router.put("/week/pace", response={200: s.WeekOut, **BAD})
def set_pace(request: HttpRequest, data: s.PaceIn) -> Any:
    actions.set_pace(house(request), data.per_week, data.grows)
    return queries.week(house(request), today(house(request)))


def _list(request: HttpRequest, day: dt.date | None) -> tuple[dt.date, list[Any]]:
    mine = house(request)
    start = queries.start_of(day or today(house(request)))
    return start, queries.shopping(mine, queries.shifts(queries.meals(mine, start)))


@router.get(
    "/week/shopping.txt",
    response={401: Trouble, 422: Trouble},
    openapi_extra=a_file("text/plain", "What is to be bought"),
)
def shopping_text(request: HttpRequest, day: dt.date | None = None) -> Any:
    start, wanted = _list(request, day)
    lines = [f"Shopping for the week of {start:%-d %B %Y}", "", *(f"- {w.text}" for w in wanted)]
    return HttpResponse(
        "\n".join(lines) + "\n",
        content_type="text/plain; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="shopping.txt"'},
    )


@router.get(
    "/week/shopping.csv",
    response={401: Trouble, 422: Trouble},
    openapi_extra=a_file("text/csv", "What is to be bought, and for what"),
)
def shopping_csv(request: HttpRequest, day: dt.date | None = None) -> Any:
    _, wanted = _list(request, day)
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["what", "for"])
    table.writerows([safe_cell(w.text), safe_cell(", ".join(dict.fromkeys(w.for_)))] for w in wanted)
    return HttpResponse(
        out.getvalue(),
        content_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="shopping.csv"'},
    )


@router.get(
    "/week.ics", response={401: Trouble, 422: Trouble}, openapi_extra=a_file("text/calendar", "The week as a calendar")
)
def week_calendar(request: HttpRequest, day: dt.date | None = None) -> Any:
    mine = house(request)
    start = queries.start_of(day or today(house(request)))
    made = queries.shifts(queries.meals(mine, start))
    days = [(m.on, str(x.title.text) if m.choice else m.recipe.title, m.reason, f"meal-{m.pk}") for m, x in made]
    return HttpResponse(
        writing.week_to_ics(days, timezone.now()),
        content_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="week.ics"'},
    )


@router.post("/compare", response={200: Compared, **BAD}, tags=["engine"])
def compare(request: HttpRequest, data: s.CompareIn) -> Any:
    corrections = [c.model_dump() for c in data.corrections]
    return queries.compare_text(
        house(request), data.text, corrections, data.model_dump(exclude={"text", "corrections"})
    )
