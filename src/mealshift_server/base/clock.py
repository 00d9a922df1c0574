"""What day it is where the household cooks: never the server's own."""

from __future__ import annotations

from datetime import date, datetime
from typing import Protocol
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from django.utils import timezone


class Housed(Protocol):
    """A household, or whatever else lives by a zone of its own."""

    time_zone: str


def zone_of(household: Housed, name: str | None = None) -> ZoneInfo:
    """The zone of the cook's device, else the household's, else UTC."""
    for candidate in (name, household.time_zone):
        try:
            if candidate:
                return ZoneInfo(candidate)
        except (ZoneInfoNotFoundError, ValueError, OSError):
            continue
    return ZoneInfo("UTC")


def day_of(household: Housed, at: datetime) -> date:
    """The day of a point in time, where the household is."""
    return at.astimezone(zone_of(household)).date()


def today(household: Housed) -> date:
    return day_of(household, timezone.now())
