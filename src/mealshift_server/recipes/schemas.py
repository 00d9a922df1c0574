"""What comes in at the doors of reading, shifting and kept recipes, and the rows of what is kept. What the core answers with has its shape there (`mealshift.results`)."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from mealshift.results import Role, Shifted, Texture, TriedRow
from mealshift_server.base.schemas import Lid

# of a list that is asked for page by page
Page = Annotated[int, Field(ge=1, le=10_000)]


class CorrectionIn(Schema):
    line: str = Field(max_length=6000)
    role: Role | None = None
    grain: str | None = Field(default=None, max_length=60)
    amount: str | None = Field(default=None, max_length=60)
    minutes: str | None = Field(default=None, max_length=80)
    kind: str | None = Field(default=None, max_length=20)
    # a line's class; and with an empty line, of the whole recipe
    cls: str | None = Field(default=None, max_length=20)
    method: str | None = Field(default=None, max_length=30)
    servings: float | None = Field(default=None, ge=1, le=200)
    whole: bool | None = None


class ReadIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)


class TryIn(Schema):
    text: str = ""
    to: str = "foxtail-millet"


class BlendPart(Schema):
    grain: str = Field(max_length=60)
    share: float


class PacketIn(Schema):
    """What a packet says of its grain, where the cook goes by it: water to one of grain by volume, minutes at the boil."""

    grain: str = Field(max_length=60)
    ratio: float | None = None
    minutes: float | None = None


class FactorsIn(Schema):
    """What a kept shift was reckoned with beside the catalogue."""

    water: float = Field(default=1.0, ge=0.5, le=1.6)
    time: float = Field(default=1.0, ge=0.5, le=1.8)
    boil_off: float = Field(default=1.0, ge=0.3, le=3)
    liking: float = Field(default=0.0, ge=-1, le=1)


class ChoiceIn(Schema):
    to: str = Field(max_length=60)
    blend: list[BlendPart] = Field(default=[], max_length=8)
    method: str | None = Field(default=None, max_length=30)
    texture: float | Texture | None = None
    lid: Lid | None = None
    heat: Literal["gentle", "brisk"] | None = None
    soak_min: float | None = None
    soak_water: Literal["kept", "discarded"] = "discarded"
    roast: Literal["none", "dry", "fat"] | None = None
    sprouted: bool = False
    release: Literal["natural", "quick"] = "natural"
    whistles: int | None = None
    watts: float | None = None
    burner_w: float | None = None
    whistle_min: float | None = None
    age: Literal["fresh", "old"] = "fresh"
    broth_ml: float | None = None
    keep: Literal["volume", "weight", "plates"] = "volume"
    servings: float | None = None
    pot_id: int | None = None
    pot_lid: Lid | None = None
    boil_off: float | None = None
    jar_ml: float | None = None
    bag_id: int | None = None
    factors: FactorsIn | None = None
    home_meal: bool = False
    packets: list[PacketIn] = Field(default=[], max_length=8)
    # steps to be left in their own words; "+look": nothing of that kind put in
    as_was: list[Annotated[str, Field(max_length=6000)]] = Field(default=[], max_length=60)
    pot_cm: float | None = None
    pot_l: float | None = None
    altitude_m: float | None = None
    room_c: float | None = None


class ShiftIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)
    choice: ChoiceIn
    recipe_id: int | None = None


class RecipeRow(Schema):
    id: int
    title: str
    version: int
    updated: datetime
    shifts: int
    side: bool


class RecipeOut(Schema):
    id: int
    title: str
    text: str
    corrections: list[CorrectionIn]
    version: int
    updated: datetime
    side: bool


class DraftIn(Schema):
    """The recipe in hand with its choice; an empty text is none."""

    text: str = Field(max_length=60000)
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)
    choice: ChoiceIn | None = None
    recipe_id: int | None = Field(default=None, ge=1, le=2**63 - 1)


class DraftOut(Schema):
    text: str
    corrections: list[CorrectionIn]
    choice: ChoiceIn | None
    recipe_id: int | None
    by: str
    changed: datetime | None


class RecipeIn(Schema):
    text: str
    corrections: list[CorrectionIn] = Field(default=[], max_length=300)


class RecipeChange(RecipeIn):
    version: int


class ShiftRow(Schema):
    id: int
    title: str
    grain: str
    name: str
    recipe_id: int | None
    created: datetime
    pour_ml: int
    pour_said: str
    cook_min: int
    total_min: int


class KeptShift(Schema):
    id: int
    title: str
    grain: str
    recipe_id: int | None
    created: datetime
    engine: str
    engine_now: str
    text: str
    corrections: list[CorrectionIn]
    choice: ChoiceIn
    result: Shifted


class Example(Schema):
    slug: str
    title: str
    text: str
    shape: str


class WhatIfIn(ShiftIn):
    pour_ml: float | None = None
    minutes: float | None = None
    lid: Lid | None = None
    start: Literal["cold", "boil"] = "cold"


class OtherWayIn(Schema):
    water_ml: float | None = None
    depth_cm: float | None = None
    fill: bool = False
    dry_ml: float | None = None
    texture: Texture | None = None
    lid: Lid | None = None
    method: str | None = Field(default=None, max_length=30)
    soak_min: float | None = None
    pot_cm: float | None = None
    altitude_m: float | None = None


class DishFrom(Schema):
    recipe_id: int
    title: str
    minutes: int
    reason: str
    needs_g: int
    enough: bool
    rank: float


class DishesFrom(Schema):
    dishes: list[DishFrom]
    page: int
    pages: int
    of: int


class JustAPotIn(Schema):
    """Just a pot: an amount in the cook's words, and how it is to come out; null: as the grain is cooked as a rule."""

    amount: str = Field(max_length=60)
    texture: Literal["separate", "fluffy", "moist", "soft", "porridge", "thin"] | None = None
    pot_id: int | None = None


class JustAPotOut(Schema):
    text: str
    corrections: list[CorrectionIn]


class TriedOut(Schema):
    """text: what was tried, the example if nothing was brought. ingredients, steps: of the recipe as it becomes."""

    text: str
    title: str
    rows: list[TriedRow]
    becomes: str
    ingredients: list[str]
    steps: list[str]
    asked: int
