"""The words every room answers with."""

from __future__ import annotations

import datetime as dt
from typing import Annotated, Literal, TypeVar

from ninja import Schema
from pydantic import AfterValidator, AwareDatetime

# no meal of this house was before, none is planned beyond
FIRST_YEAR, LAST_YEAR = 2000, 2100
When = TypeVar("When", dt.date, dt.datetime)


def _of_our_time(at: When) -> When:
    if not FIRST_YEAR <= at.year <= LAST_YEAR:
        raise ValueError(f"a day between {FIRST_YEAR} and {LAST_YEAR}")
    return at


Day = Annotated[dt.date, AfterValidator(_of_our_time)]
# a point in time with its zone; and one that may be meant as the kitchen's clock shows it
Moment = Annotated[AwareDatetime, AfterValidator(_of_our_time)]
ClockTime = Annotated[dt.datetime, AfterValidator(_of_our_time)]

Lid = Literal["sealed", "tight", "ordinary", "ajar", "open"]


class Trouble(Schema):
    code: str
    where: str
    text: str
