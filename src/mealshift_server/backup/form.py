"""The form of a backup: lines of JSON, one thing of the household on each, so that neither making nor restoring holds more than one of them.

    {"head": {"meal_shift_backup": 2, "made": …, "engine": …}}
    {"household": {…}}  {"member": "name"}  {"kitchen": {…}}  {"pot": {…}}  …  {"entry": {…}}  …
    {"checksum": "…"}            SHA-256 of all bytes before this line: a file that was cut short or changed by hand is refused

Things are numbered from 1 in the order they stand in, and name one another by these numbers; a thing stands behind those it names.
Passwords, sessions and device keys are not in it. docs/backup.schema.json is made from here. Up to 0.10 a backup was one JSON document with a list of each
(form 1): `lines_of_first_form` makes lines of it.
"""

from __future__ import annotations

import hashlib
import json
import zoneinfo
from collections.abc import Iterator
from datetime import date, datetime
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

from mealshift.grains import all_grains
from mealshift_server.base.schemas import FIRST_YEAR, LAST_YEAR

FORM = 2
Plain = dict[str, Any]


def _zone(name: str) -> str:
    if name not in zoneinfo.available_timezones():
        raise ValueError("a time zone there is")
    return name


def _known(slug: str) -> str:
    if not set(slug.split("+")) <= {g.slug for g in all_grains()}:
        raise ValueError("a grain of the catalogue")
    return slug


def _ours(at: Any) -> Any:
    if not FIRST_YEAR <= at.year <= LAST_YEAR:
        raise ValueError(f"a day between {FIRST_YEAR} and {LAST_YEAR}")
    return at


Zone = Annotated[str, AfterValidator(_zone)]
Slug = Annotated[str, AfterValidator(_known)]
Size = Annotated[float, Field(ge=0, le=1_000_000)]
Day = Annotated[date, AfterValidator(_ours)]
Moment = Annotated[datetime, AfterValidator(_ours)]


class Part(BaseModel):
    model_config = ConfigDict(extra="forbid")


class Numbered(Part):
    """id: its number where the backup was made, so that an address that held it still leads here. Since form 2."""

    id: int | None = Field(default=None, ge=1, le=10**9)


class House(Part):
    name: str = Field(min_length=1, max_length=80)
    time_zone: Zone
    measure_name: str = Field(min_length=1, max_length=20)
    measure_ml: float = Field(ge=20, le=2000)
    cup_ml: float = Field(ge=50, le=1000)
    fridge_days: int = Field(ge=1, le=4)
    amounts: Literal["", "metric", "cups", "both"] = ""
    heat: Literal["", "C", "F"] = ""
    clock: Literal[12, 24] = 24


class KitchenPart(Part):
    burners: list[Annotated[float, Field(gt=0, le=10_000)]] = Field(max_length=20)
    oven_places: int = Field(ge=0, le=20)
    rice_cooker: bool
    pressure_cooker: bool
    electric_pressure: bool
    slow_cooker: bool = False
    microwave_w: float | None = Field(ge=100, le=3000)
    whistle_min: float = Field(gt=0, le=30)
    altitude_m: float = Field(ge=-500, le=6000)
    room_c: float = Field(ge=-20, le=60)
    jar_ml: float = Field(gt=0, le=10_000)


class PotPart(Part):
    name: str
    diameter_cm: float = Field(ge=5, le=80)
    litres: float | None = Field(gt=0, le=100)
    lid: Literal["sealed", "tight", "ordinary", "ajar", "open"]
    boil_off: float = Field(gt=0, le=20)
    test: Plain | None
    created: Moment


class BagPart(Part):
    grain: Slug
    name: str
    kind: str
    grams: Size
    full_g: Size
    best_before: Day | None
    opened: Day | None
    label_ratio: float | None
    label_min: float | None
    created: Moment


class LeftPart(Part):
    name: str
    grain: Slug
    portions: int = Field(ge=0, le=1000)
    served: Moment
    place: str = Field(max_length=12)
    # since 0.6.1; of an older backup only the last move is known
    moves: list[tuple[Moment, str]] | None = None
    moved: Moment


class RecipePart(Numbered):
    title: str
    text: str
    corrections: list[Plain]
    # since 0.12
    side: bool = False
    version: int
    created: Moment
    updated: Moment


class ShiftPart(Numbered):
    recipe: int | None
    title: str
    grain: Slug
    text: str
    corrections: list[Plain]
    choice: Plain
    factors: Plain
    engine: str
    result: Plain
    created: Moment


class TryPart(Part):
    grain: Slug
    water_off: float
    time_off: float
    created: Moment


class PacePart(Part):
    per_week: int = Field(ge=0, le=21)
    grows: bool
    since: Day


class MealPart(Part):
    on: Day
    recipe: int
    choice: Plain | None
    reason: str
    shift: int | None
    minutes: int | None
    double: bool


class EventPart(Part):
    client_id: str
    kind: str
    minute: float = Field(ge=-1e6, le=1e6)
    data: Plain
    received: Moment


class CookingPart(Numbered):
    client_id: str
    title: str
    began: Moment
    serve_at: Moment
    speed: int = Field(ge=1, le=600)
    alone: bool
    script: Plain
    dishes: list[Plain]
    ended: Moment | None
    events: list[EventPart]


class EntryPart(Numbered):
    cooking: int | None
    pot_key: str
    on: Day
    dish: str
    grain: Slug
    pot: int | None
    pot_name: str
    bag: int | None
    predicted: Plain
    poured_ml: Size | None
    top_ups_ml: Size
    taken_min: Size | None
    wet: int | None = Field(ge=-2, le=2)
    soft: int | None = Field(ge=-2, le=2)
    word: str
    stars: int | None = Field(ge=0, le=5)
    note: str
    practice: bool
    counts: bool
    created: Moment
    photo: str | None = Field(description="a JPEG in base64")


class DecisionPart(Part):
    kind: str
    subject: str
    held: float | None
    refused: float | None
    text: str
    entries: list[int]
    catalogue: int = 1
    decided: Moment


class TookPart(Part):
    """How long something took at the stove once. Since 0.12."""

    key: str = Field(max_length=60)
    value: float = Field(gt=0, le=1000)
    at: Moment


class Head(Part):
    meal_shift_backup: int
    made: Moment
    engine: str


class Line(Part):
    """One line: exactly one of these."""

    head: Head | None = None
    household: House | None = None
    member: str | None = Field(default=None, max_length=150)
    kitchen: KitchenPart | None = None
    pot: PotPart | None = None
    took: TookPart | None = None
    bag: BagPart | None = None
    left: LeftPart | None = None
    recipe: RecipePart | None = None
    shift: ShiftPart | None = None
    cooking: CookingPart | None = None
    entry: EntryPart | None = None
    decision: DecisionPart | None = None
    attempt: TryPart | None = None
    pace: PacePart | None = None
    meal: MealPart | None = None
    checksum: str | None = None


# what a line may hold, and the list of the first form in which such things stood
FIRST_FORM = {
    "household": "household",
    "member": "members",
    "kitchen": "kitchen",
    "pot": "pots",
    "took": "took",
    "bag": "bags",
    "left": "left",
    "recipe": "recipes",
    "shift": "shifts",
    "cooking": "cookings",
    "entry": "entries",
    "decision": "decisions",
    "attempt": "tries",
    "pace": "pace",
    "meal": "meals",
}


def lines_of_first_form(document: Plain) -> Iterator[tuple[str, Any]]:
    """(kind, what) as the lines of today's form hold them."""
    for kind, name in FIRST_FORM.items():
        held = document.get(name)
        many = held if isinstance(held, list) else [] if held is None else [held]
        yield from ((kind, one) for one in many)


def checksum_of_first_form(document: Plain) -> str:
    """SHA-256 of all but itself, keys sorted. A browser writes 220.0 as 220, so whole numbers are the same however they are written."""
    rest = {k: v for k, v in document.items() if k != "checksum"}
    text = json.dumps(_whole(rest), sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    return hashlib.sha256(text.encode(errors="surrogatepass")).hexdigest()


def _whole(value: Any) -> Any:
    if isinstance(value, dict):
        return {k: _whole(v) for k, v in value.items()}
    if isinstance(value, list):
        return [_whole(v) for v in value]
    return int(value) if isinstance(value, float) and value.is_integer() else value
