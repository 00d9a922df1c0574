"""Whose data a request may see: everything is asked through the signed-in household."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.errors import HttpError

from mealshift_server.households.models import Household

from . import schemas as s

BAD = {400: s.Trouble, 401: s.Trouble, 413: s.Trouble, 422: s.Trouble}
MISSING = {**BAD, 404: s.Trouble}


def house(request: HttpRequest) -> Household:
    """The signed-in household."""
    household = getattr(request.user, "household", None)
    if household is None:
        raise HttpError(403, "This user belongs to no household.")
    return household  # type: ignore[no-any-return]
