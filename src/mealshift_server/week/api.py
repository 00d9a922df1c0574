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

from mealshift import week as core
from mealshift import writing
from mealshift.measures import jug_ml
from mealshift.results import Compared
from mealshift.tables import safe_cell
from mealshift_server.base.answers import BAD, MISSING
from mealshift_server.base.clock import today
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.models import Household
from mealshift_server.households.scope import house
from mealshift_server.recipes.actions import volume_said
from mealshift_server.recipes.models import Recipe

from . import actions
from . import schemas as s
from .models import Meal

router = Router(tags=["week"])


def _meals(request: HttpRequest) -> QuerySet[Meal]:
    return Meal.objects.filter(household=house(request)).select_related("recipe", "household")


def _week(request: HttpRequest, day: dt.date, without: int | None = None) -> dict[str, Any]:
    """without: the number of a meal, as if it had been taken off already."""
    mine = house(request)
    start = actions.start_of(day)
    rows = [m for m in actions.meals(mine, start) if m.pk != without]
    made = actions.shifts(rows)
    of = {m.pk: x for m, x in made}
    pace = actions.pace(mine)
    now = today(mine)
    return {
        "start": start,
        "today": now,
        "per_week": pace.per_week,
        "grows": pace.grows,
        "target": actions.target(mine, start, 7),
        "shifted": sum(m.choice is not None for m in rows),
        "meals": [_row(m, of.get(m.pk), mine) for m in rows],
        "tonight": actions.tonight(made, now),
        "shopping": [{"text": w.text, "dishes": list(dict.fromkeys(w.for_))} for w in actions.shopping(mine, made)],
    }


def _row(m: Meal, made: Any, mine: Household) -> dict[str, Any]:
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
        "pour_said": volume_said(mine, jug_ml(made.pot.pour_ml)) if made else "",
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


@router.get("/week", response={200: s.WeekOut, 401: Trouble, 422: Trouble})
def week(request: HttpRequest, day: dt.date | None = None, without: int | None = None) -> Any:
    return _week(request, day or today(house(request)), without)


@router.post("/week/meals", response={201: s.WeekOut, **MISSING})
def put_on(request: HttpRequest, data: s.MealIn) -> Any:
    mine = house(request)
    actions.put_on(mine, get_object_or_404(Recipe, household=mine, pk=data.recipe_id), data.on)
    return Status(201, _week(request, data.on))


@router.put("/week/meals/{int:meal_id}", response={200: s.WeekOut, **MISSING})
def change_meal(request: HttpRequest, meal_id: int, data: s.MealChange) -> Any:
    meal = get_object_or_404(_meals(request), pk=meal_id)
    given = data.model_dump(exclude_unset=True)
    if given.get("on", meal.on) is None:
        del given["on"]
    actions.change(meal, given)
    return _week(request, meal.on)


@router.delete("/week/meals/{int:meal_id}", response={200: s.WeekOut, **MISSING})
def take_off(request: HttpRequest, meal_id: int) -> Any:
    meal = get_object_or_404(_meals(request), pk=meal_id)
    meal.delete()
    return _week(request, meal.on)


@router.post("/week/meals/{int:meal_id}/keep", response={200: s.KeptId, **MISSING})
def keep_meal(request: HttpRequest, meal_id: int) -> Any:
    return {"shift_id": actions.keep(get_object_or_404(_meals(request), pk=meal_id)).pk}


@router.post("/week/suggest", response={200: s.WeekOut, **BAD})
def suggest(request: HttpRequest, data: s.StartIn) -> Any:
    mine = house(request)
    actions.suggest(mine, actions.start_of(data.start), today(mine))
    return _week(request, data.start)


@router.post("/week/usual", response={200: s.WeekOut, **BAD})
def usual(request: HttpRequest, data: s.StartIn) -> Any:
    actions.as_last_week(house(request), actions.start_of(data.start))
    return _week(request, data.start)


@router.put("/week/pace", response={200: s.WeekOut, **BAD})
def set_pace(request: HttpRequest, data: s.PaceIn) -> Any:
    actions.set_pace(house(request), data.per_week, data.grows)
    return _week(request, today(house(request)))


def _list(request: HttpRequest, day: dt.date | None) -> tuple[dt.date, list[Any]]:
    mine = house(request)
    start = actions.start_of(day or today(house(request)))
    return start, actions.shopping(mine, actions.shifts(actions.meals(mine, start)))


@router.get("/week/shopping.txt", response={200: str, 401: Trouble, 422: Trouble})
def shopping_text(request: HttpRequest, day: dt.date | None = None) -> Any:
    start, wanted = _list(request, day)
    lines = [f"Shopping for the week of {start:%-d %B %Y}", "", *(f"- {w.text}" for w in wanted)]
    return HttpResponse(
        "\n".join(lines) + "\n",
        content_type="text/plain; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="shopping.txt"'},
    )


@router.get("/week/shopping.csv", response={200: str, 401: Trouble, 422: Trouble})
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


@router.get("/week.ics", response={200: str, 401: Trouble, 422: Trouble})
def week_calendar(request: HttpRequest, day: dt.date | None = None) -> Any:
    mine = house(request)
    start = actions.start_of(day or today(house(request)))
    made = actions.shifts(actions.meals(mine, start))
    days = [(m.on, str(x.title.text) if m.choice else m.recipe.title, m.reason, f"meal-{m.pk}") for m, x in made]
    return HttpResponse(
        writing.week_to_ics(days, timezone.now()),
        content_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="week.ics"'},
    )


@router.post("/compare", response={200: Compared, **BAD}, tags=["engine"])
def compare(request: HttpRequest, data: s.CompareIn) -> Any:
    corrections = [c.model_dump() for c in data.corrections]
    return actions.compare_text(
        house(request), data.text, corrections, data.model_dump(exclude={"text", "corrections"})
    )
