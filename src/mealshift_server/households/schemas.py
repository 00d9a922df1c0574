"""What comes in and goes out of the household's doors."""

from __future__ import annotations

import datetime as dt

from ninja import Schema
from pydantic import Field

from mealshift.results import UsualKitchen


class MannerShown(Schema):
    """How numbers are said. amounts: "" as the recipe has them, "metric", "cups" or "both". heat: "" as the recipe has it, "C" or "F". clock: 24 or 12 hours."""

    amounts: str = Field(default="", max_length=10)
    heat: str = Field(default="", max_length=1)
    clock: int = Field(default=24, ge=0, le=24)


class SessionOut(Schema):
    """may_found: whether a further household may be started here. empty: there is none yet. has_password: not so of who came in by the demo's door. usual: what a kitchen is taken to be until it is described."""

    signed_in: bool
    name: str
    household: str
    measure_name: str
    measure_ml: float
    cup_ml: float
    manner: MannerShown
    demo: bool
    may_found: bool
    empty: bool
    has_password: bool
    usual: UsualKitchen


class SignIn(Schema):
    name: str = Field(max_length=150)
    password: str = Field(max_length=256)


class SignUp(Schema):
    """zone, manner: what the cook's device is set to."""

    household: str = Field(max_length=200)
    name: str = Field(max_length=200)
    password: str = Field(max_length=256)
    zone: str | None = Field(default=None, max_length=64)
    manner: MannerShown | None = None


class MeasureIn(Schema):
    cup_ml: float | None = None
    measure_name: str = Field(max_length=60)
    measure_ml: float


class SignedInRow(Schema):
    id: int
    device: str
    began: dt.datetime
    seen: dt.datetime
    here: bool


class MemberRow(Schema):
    id: int
    name: str
    me: bool
    last_seen: dt.datetime | None


class InviteOut(Schema):
    """token: shown this once; the link is /join/{token}."""

    token: str
    until: dt.datetime


class JoinIn(Schema):
    token: str = Field(max_length=100)
    name: str = Field(max_length=200)
    password: str = Field(max_length=256)


class PasswordIn(Schema):
    """own_password: of whoever asks, for their own or another's."""

    own_password: str = Field(max_length=256)
    password: str = Field(max_length=256)


class DropHousehold(Schema):
    """Deletes the household if its name is typed, by a member who gives their password."""

    own_password: str = Field(max_length=256)
    name: str = Field(max_length=200)
