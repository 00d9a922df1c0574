"""Whose data a request may see: everything is asked through the signed-in household."""

from __future__ import annotations

from typing import TypeVar

from django.db.models import Model, QuerySet
from django.http import Http404, HttpRequest
from ninja.errors import HttpError

from .models import Household, Moved

Row = TypeVar("Row", bound=Model)


def house(request: HttpRequest) -> Household:
    """The signed-in household."""
    household = getattr(request.user, "household", None)
    if household is None:
        raise HttpError(403, "This user belongs to no household.")
    return household  # type: ignore[no-any-return]


# no household has this number: what is asked for it is found nowhere
NOBODY = 0


def house_or_guest(request: HttpRequest) -> Household:
    """The signed-in household; for who has no account one that owns nothing and is kept nowhere."""
    return house(request) if request.user.is_authenticated else Household(pk=NOBODY)


def one(rows: QuerySet[Row], household: Household, kind: str, pk: int) -> Row:
    """The row with that number, of those the household may see; after a restore also by the number it had before. Http404 if there is none."""
    found = rows.filter(pk=pk).first()
    if found is None:
        moved = Moved.objects.filter(household=household, kind=kind, was=pk).order_by("-id").first()
        found = rows.filter(pk=moved.now).first() if moved else None
    if found is None:
        raise Http404
    return found
