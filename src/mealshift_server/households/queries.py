"""What is asked of households and their users: the session as the page shows it, the members, where one is signed in."""

from __future__ import annotations

from typing import Any

from django.conf import settings
from django.contrib.sessions.models import Session
from django.db.models import QuerySet
from django.utils import timezone

from mealshift.manner import Manner
from mealshift.measures import CUP_ML, MEASURE_ML
from mealshift.pipeline import usual_kitchen

from .models import Household, SignedIn, User


def may_found() -> bool:
    """The first household of a server may always be founded, further ones where the server is open to all."""
    return bool(settings.OPEN_TO_ALL) or not Household.objects.exists()


def members(household: Household) -> QuerySet[User]:
    return User.objects.filter(household=household).order_by("id")


def signed_in_at(user: User) -> QuerySet[SignedIn]:
    """The member's sessions that still hold, the latest seen first."""
    alive = Session.objects.filter(expire_date__gt=timezone.now()).values("session_key")
    return SignedIn.objects.filter(user=user, key__in=alive).order_by("-seen", "-id")


def nobody_shown(demo: bool) -> dict[str, Any]:
    """The session of who is not signed in. demo: the demo's door is open to them."""
    return {
        "signed_in": False,
        "name": "",
        "household": "",
        "measure_name": "glass",
        "measure_ml": MEASURE_ML,
        "cup_ml": CUP_ML,
        "manner": Manner(),
        "demo": demo,
        "may_found": may_found(),
        "empty": not Household.objects.exists(),
        "has_password": False,
        "usual": usual_kitchen(),
    }


def session_shown(user: User, household: Household, demo: bool) -> dict[str, Any]:
    return {
        "signed_in": True,
        "name": user.get_username(),
        "household": household.name,
        "measure_name": household.measure_name,
        "measure_ml": household.measure_ml,
        "cup_ml": household.cup_ml,
        "manner": household.manner,
        "demo": demo,
        "may_found": False,
        "empty": False,
        "has_password": user.has_usable_password(),
        "usual": usual_kitchen(),
    }
