"""What comes in and goes out of the notebook's doors: entries, lessons, the practice pot."""

from __future__ import annotations

import datetime as dt
from typing import Literal

from ninja import Schema
from pydantic import Field

from mealshift.results import RunRow
from mealshift_server.base.schemas import Day


class EntryRow(Schema):
    """wet: −2 dry … 2 wet; soft: −2 hard … 2 mush; null: not said."""

    id: int
    on: dt.date
    dish: str
    grain: str
    name: str
    pot_name: str
    dry_ml: int
    dry_g: int
    pour_ml: int
    low_ml: int
    high_ml: int
    cook_min: int
    texture: str
    lid: str
    method: str
    soak_min: float
    poured_ml: float | None
    top_ups_ml: float
    # the same as the household says volumes; "": not known
    dry_said: str
    pour_said: str
    poured_said: str
    top_ups_said: str
    taken_min: float | None
    wet: int | None
    soft: int | None
    word: str
    stars: int | None
    note: str
    practice: bool
    counts: bool
    by: str
    photo: bool


class NotebookOut(Schema):
    entries: list[EntryRow]
    total: int
    page: int
    pages: int
    grains: list[str]
    pots: list[str]


class Outcome(Schema):
    """How a pot came out, as far as it is told."""

    on: Day | None = None
    poured_ml: float | None = None
    taken_min: float | None = None
    wet: int | None = None
    soft: int | None = None
    word: str | None = Field(default=None, max_length=400)
    stars: int | None = None
    note: str | None = Field(default=None, max_length=4000)


class EntryIn(Outcome):
    """By hand: shift_id, or dish with grain and amount."""

    shift_id: int | None = None
    dish: str | None = Field(default=None, max_length=240)
    grain: str | None = Field(default=None, max_length=60)
    amount: str | None = Field(default=None, max_length=40)
    pot_id: int | None = None


class EntryChange(Outcome):
    """Only what is sent is changed; null takes it away."""

    counts: bool | None = None


class CsvIn(Schema):
    """keep_rest: with a broken row, the others are taken all the same."""

    text: str = Field(max_length=4_000_000)
    keep_rest: bool = False


class RowProblem(Schema):
    where: str
    text: str


class CsvOut(Schema):
    taken: int
    problems: list[RowProblem]


class LessonOut(Schema):
    kind: str
    subject: str
    value: float
    was: float
    text: str
    entries: list[int]


class HeldOut(Schema):
    kind: str
    subject: str
    value: float
    text: str
    entries: list[int]
    decided: dt.datetime


class LessonsOut(Schema):
    lessons: list[LessonOut]
    held: list[HeldOut]


class LessonIn(Schema):
    kind: str = Field(max_length=20)
    subject: str = Field(max_length=60)
    take: Literal["accept", "refuse", "reset"]


class TrainingOut(Schema):
    """error: the mean of the last ten guesses, as a share off the mark. said: the task in a sentence. unit, unit_ml: what water is guessed in."""

    grain: str
    said: str
    dry_ml: int
    pot_cm: float
    lid: str
    texture: float
    unit: str
    unit_ml: float
    tries: int
    error: float | None


class GuessIn(Schema):
    grain: str = Field(max_length=60)
    dry_ml: int
    pot_cm: float
    lid: str = Field(max_length=10)
    texture: float
    pour_ml: float
    minutes: float


class JudgedOut(Schema):
    plan: RunRow
    run: RunRow
    pour_ml: int
    pour_said: str
    cook_min: int
    look: list[int]
    said: str
    why: list[str]
    sign: str
    tries: int
    error: float | None
