"""What comes in and goes out of the kitchen's doors."""

from __future__ import annotations

from typing import Literal

from ninja import Schema
from pydantic import Field

from mealshift.results import ProblemRow
from mealshift_server.base.schemas import Lid


class BoilOffTest(Schema):
    before_ml: float
    after_ml: float
    minutes: float
    lid: Lid
    on: str


class PotIn(Schema):
    name: str = Field(max_length=200)
    diameter_cm: float
    litres: float | None = None
    lid: Literal["sealed", "tight", "ordinary", "ajar"] = "ordinary"


class PotRow(PotIn):
    id: int
    boil_off: float
    test: BoilOffTest | None


class BoilOffIn(Schema):
    before_ml: float
    after_ml: float
    minutes: float
    lid: Lid
    keep: bool = False


class BoilOffOut(Schema):
    rate: float
    usual: float
    factor: float
    band: float
    said: str
    problems: list[ProblemRow]
    pot: PotRow


class KitchenIn(Schema):
    burners: list[float] = Field(max_length=20)
    oven_places: int
    rice_cooker: bool
    pressure_cooker: bool
    electric_pressure: bool
    slow_cooker: bool = False
    microwave_w: float | None = None
    whistle_min: float
    altitude_m: float
    room_c: float
    jar_ml: float
    time_zone: str | None = Field(default=None, max_length=64)


class DeviceRow(Schema):
    id: int
    name: str
    kind: Literal["scale", "probe"]


class DeviceIn(Schema):
    name: str = Field(max_length=200)
    kind: Literal["scale", "probe"]


class DeviceMade(DeviceRow):
    key: str


class ApplianceIn(Schema):
    name: str = Field(max_length=40)


class KitchenOut(KitchenIn):
    said: bool
    # how long things take here, a sentence each
    took: list[str]
    pots: list[PotRow]
    devices: list[DeviceRow]
