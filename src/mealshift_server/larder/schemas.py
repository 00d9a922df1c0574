"""What comes in and goes out of the larder's doors."""

from __future__ import annotations

import datetime as dt
from typing import Literal

from ninja import Schema
from pydantic import Field

from mealshift_server.base.schemas import Day, Moment

Kind = Literal["whole", "polished", "parboiled", "quick", "blend"]


class BagIn(Schema):
    line: str = Field(max_length=300)


class BagChange(Schema):
    grams: float | None = None
    kind: Kind | None = None
    best_before: Day | None = None
    opened: Day | None = None
    label_ratio: float | None = None
    label_min: float | None = None


class BagRow(Schema):
    id: int
    grain: str
    name: str
    kind: str
    grams: float
    full_g: float
    best_before: dt.date | None
    opened: dt.date | None
    label_ratio: float | None
    label_min: float | None
    old: str
    label: str


class LeftIn(Schema):
    """served: null is now."""

    name: str = Field(max_length=400)
    grain: str = Field(max_length=60)
    portions: int = 1
    served: Moment | None = None


class LeftMove(Schema):
    place: Literal["table", "fridge", "freezer", "gone"]
    portions: int | None = None


class LeftRow(Schema):
    id: int
    name: str
    grain: str
    portions: int
    served: dt.datetime
    place: str
    cool_by: dt.datetime
    at_most: dt.datetime
    eat_by: dt.datetime
    local_by: dt.datetime | None
    over: bool
    said: str
    reheat: str
    idea: str


class LeftOut(Schema):
    fridge_days: int
    left: list[LeftRow]


class WarmOut(Schema):
    """text: of a recipe that is cooked as it is."""

    text: str


class RuleIn(Schema):
    days: int
