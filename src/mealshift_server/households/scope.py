"""Whose data a request may see: everything is asked through the signed-in household."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.errors import HttpError

from .models import Household


def house(request: HttpRequest) -> Household:
    """The signed-in household."""
    household = getattr(request.user, "household", None)
    if household is None:
        raise HttpError(403, "This user belongs to no household.")
    return household  # type: ignore[no-any-return]
