"""What day it is where the household cooks: never the server's own."""

from __future__ import annotations

from datetime import date, datetime
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from django.utils import timezone

from .models import Household


def zone_of(household: Household, name: str | None = None) -> ZoneInfo:
    """The zone of the cook's device, else the household's, else UTC."""
    for candidate in (name, household.time_zone):
        try:
            if candidate:
                return ZoneInfo(candidate)
        except (ZoneInfoNotFoundError, ValueError, OSError):
            continue
    return ZoneInfo("UTC")


def day_of(household: Household, at: datetime) -> date:
    """The day of a point in time, where the household is."""
    return at.astimezone(zone_of(household)).date()


def today(household: Household) -> date:
    return day_of(household, timezone.now())
