"""What comes in and goes out of the doors of plan, stove and devices."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from mealshift.results import CookState, ProblemRow, Texture
from mealshift_server.base.schemas import ClockTime, Lid, Moment, Trouble
from mealshift_server.recipes.schemas import BlendPart


class Pin(Schema):
    id: str = Field(max_length=300)
    start: ClockTime


class Changes(Schema):
    """What a way out changes of a dish's choice; only what is set is changed."""

    to: str | None = Field(default=None, max_length=60)
    blend: list[BlendPart] | None = None
    method: str | None = Field(default=None, max_length=30)
    lid: Lid | None = None
    soak_min: float | None = None
    texture: float | Texture | None = None
    roast: Literal["none", "dry", "fat"] | None = None
    sprouted: bool | None = None
    whistles: int | None = None
    release: Literal["natural", "quick"] | None = None


Key = Annotated[str, Field(pattern=r"^r?[1-9][0-9]{0,17}$")]


class PlanDish(Schema):
    """key: a kept shift by its number, or r and the number of a recipe without a grain, which is cooked as it is."""

    key: Key
    changes: Changes | None = None


class PlanIn(Schema):
    """serve_at and now: points in time; without a zone they are meant on the household's clock. zone: that of the cook's device."""

    dishes: list[PlanDish] = Field(max_length=12)
    serve_at: ClockTime
    now: ClockTime | None = None
    zone: str | None = Field(default=None, max_length=64)
    burners: int | None = None
    pinned: list[Pin] = Field(default=[], max_length=100)


class PlanTask(Schema):
    id: str
    what: str
    dish: str
    part: str
    key: str
    start: datetime
    end: datetime
    hands_on: int
    resource: str


class WayOutOut(Schema):
    dish: str
    key: str
    kind: Literal["no_soak", "pressure", "grain", "own", "later"]
    # the appliance, of "own"
    needs: str
    text: str
    serve_at: datetime | None
    changes: Changes


class PlanOut(Schema):
    serve_at: datetime
    start_at: datetime | None
    burners: int
    tasks: list[PlanTask]
    problems: list[ProblemRow]
    ways: list[WayOutOut]


class TonightDish(PlanDish):
    """text: what a way out changed, in its words."""

    text: str = Field(default="", max_length=300)


class TonightPlan(Schema):
    dishes: list[TonightDish] = Field(default=[], max_length=12)
    serve_at: Moment
    burners: int | None = Field(default=None, ge=1, le=8)
    pinned: list[Pin] = Field(default=[], max_length=100)


class TonightIn(Schema):
    """version: of the plan the change was made on; 0 where there was none."""

    version: int = Field(ge=0, le=2**31 - 1)
    plan: TonightPlan


class TonightOutNow(Schema):
    """plan: null where nothing is planned, or what was is over."""

    version: int
    plan: TonightPlan | None
    by: str


class CookingIn(PlanIn):
    client_id: str = Field(min_length=8, max_length=64)
    speed: int = 1


class CookingRow(Schema):
    id: int
    title: str
    began: datetime
    serve_at: datetime
    speed: int
    ended: datetime | None


class EventIn(Schema):
    """ago_ms: how long ago it happened, by the device's own clock."""

    id: str = Field(min_length=8, max_length=160)
    kind: str = Field(max_length=12)
    data: dict[str, str | float | bool | None] = {}
    ago_ms: float = 0


class EventsIn(Schema):
    events: list[EventIn] = Field(max_length=200)


class RefusedEvent(Trouble):
    id: str


class Appended(Schema):
    """refused: events of this sending that cannot be; all others were taken."""

    new: int
    refused: list[RefusedEvent] = []


class CookingOut(Schema):
    """state is null if nothing has happened since the event the page already knows."""

    id: int
    last: int
    minute: float
    speed: int
    alone: bool
    began: datetime
    serve_at: datetime
    state: CookState | None


class StandInIn(Schema):
    id: str = Field(min_length=8, max_length=160)
    pot: str = Field(max_length=300)
    kind: Literal["scale", "probe"]


class AloneIn(Schema):
    alone: bool


class ReadingIn(Schema):
    """value: grams of a scale, °C of a probe. pot: left out, it is the pot put on last."""

    id: str = Field(min_length=8, max_length=160)
    value: float
    pot: str | None = Field(default=None, max_length=300)


class DevicePot(Schema):
    pot: str
    name: str
    simulated: float


class DeviceCooking(Schema):
    title: str
    speed: int
    pots: list[DevicePot]
