"""What comes in and goes out of the week's doors."""

from __future__ import annotations

import datetime as dt

from ninja import Field, Schema

from mealshift_server.base.schemas import Day
from mealshift_server.recipes.schemas import CorrectionIn


class PartRow(Schema):
    grain: str
    share: float


class MealRow(Schema):
    id: int
    on: dt.date
    title: str
    recipe_id: int
    shifted: bool
    grain: str
    name: str
    parts: list[PartRow]
    reason: str
    pour_ml: int | None
    pour_said: str
    total_min: int | None
    shift_id: int | None
    minutes: int | None
    double: bool
    cook_id: int | None
    cook: str
    trouble: str


class WantedRow(Schema):
    text: str
    dishes: list[str]


class WeekOut(Schema):
    start: dt.date
    today: dt.date
    per_week: int
    grows: bool
    target: int
    shifted: int
    meals: list[MealRow]
    tonight: list[str]
    shopping: list[WantedRow]


class MealIn(Schema):
    on: Day
    recipe_id: int


class MealChange(Schema):
    on: Day | None = None
    cook_id: int | None = None
    minutes: int | None = None
    double: bool | None = None
    shifted: bool | None = None


class PaceIn(Schema):
    per_week: int
    grows: bool


class StartIn(Schema):
    start: Day


class KeptId(Schema):
    shift_id: int


# -- which grain tonight ---------------------------------------------------------------------------------------------


class CompareIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)
    pot_cm: float | None = None
    pot_id: int | None = None
    altitude_m: float | None = None
    by_hours: float | None = None
    gluten_free: bool = False
