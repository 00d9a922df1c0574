"""Changes of state of households and their users, one function each."""

from __future__ import annotations

import secrets
import zoneinfo
from dataclasses import asdict
from datetime import datetime, timedelta

from axes.models import AccessAttempt, AccessLog
from django.contrib.auth.password_validation import validate_password
from django.contrib.sessions.models import Session
from django.core.exceptions import ValidationError
from django.db import transaction
from django.utils import timezone

from mealshift.manner import Manner
from mealshift.problems import Refusal
from mealshift_server.base.keys import digest

from .models import Household, Invite, User
from .queries import may_found

INVITED_FOR = timedelta(days=7)
MOST_INVITES = 20


@transaction.atomic
def found_household(
    household_name: str, user_name: str, password: str, zone: str | None = None, manner: Manner | None = None
) -> User:
    """A new household with its first user. zone, manner: the time zone of the cook's device, and how it says numbers. Refusal names the field at fault."""
    if not may_found():
        raise Refusal("closed", "household", "This server keeps one household: ask somebody of it for an invitation.")
    household_name = household_name.strip()
    if not household_name or len(household_name) > 80:
        raise Refusal("household", "household", "Give your household a name of up to 80 letters.")
    user = _new_user(user_name, password)
    known = zone if zone in zoneinfo.available_timezones() else "UTC"
    user.household = Household.objects.create(
        name=household_name, time_zone=known or "UTC", **asdict(manner or Manner())
    )
    user.save()
    return user


def _new_user(user_name: str, password: str) -> User:
    """A user that is not saved yet; Refusal if name or password will not do."""
    user_name = user_name.strip()
    if not user_name or len(user_name) > 60:
        raise Refusal("name", "name", "Give a name to sign in with, of up to 60 letters.")
    if User.objects.filter(username__iexact=user_name).exists():
        raise Refusal("name", "name", f"Somebody already signs in as {user_name}: choose another name.")
    user = User(username=user_name)
    try:
        User.username_validator(user_name)
    except ValidationError:
        raise Refusal(
            "name", "name", "A name to sign in with has letters, digits and . + - _ only, no spaces."
        ) from None
    try:
        validate_password(password, user)
    except ValidationError as fault:
        raise Refusal("password", "password", " ".join(fault.messages)) from None
    user.set_password(password)
    return user


def invite(household: Household) -> tuple[str, datetime]:
    """A token for one new member, and until when it opens. Shown this once."""
    Invite.objects.filter(until__lt=timezone.now()).delete()
    if Invite.objects.filter(household=household).count() >= MOST_INVITES:
        raise Refusal(
            "invite", "", f"{MOST_INVITES} invitations are out already: wait for one to be taken, or for a week."
        )
    token, until = secrets.token_urlsafe(24), timezone.now() + INVITED_FOR
    Invite.objects.create(household=household, token_digest=digest(token), until=until)
    return token, until


@transaction.atomic
def join(token: str, user_name: str, password: str) -> User:
    """A new member by an invitation, which is then used up."""
    found = Invite.objects.filter(token_digest=digest(token), until__gte=timezone.now()).first()
    if found is None:
        raise Refusal("invite", "token", "This invitation was used or is out of date: ask for a new link.")
    user = _new_user(user_name, password)
    user.household = found.household
    user.save()
    found.delete()
    return user


def check_own(user: User, password: str) -> None:
    """The password of whoever sits at the screen, for what cannot be taken back. Refusal if it is not theirs; who came by the demo's door has none."""
    if user.has_usable_password() and not user.check_password(password):
        raise Refusal("own_password", "own_password", "That is not your password: type the one you sign in with.")


def set_password(user: User, password: str) -> None:
    """Of oneself or of another member: the household trusts its own, and needs no e-mail. All their sessions end."""
    try:
        validate_password(password, user)
    except ValidationError as fault:
        raise Refusal("password", "password", " ".join(fault.messages)) from None
    user.set_password(password)
    user.save(update_fields=["password"])


@transaction.atomic
def remove_member(user: User) -> None:
    """Counted and removed in one transaction: of two who remove each other at the same moment, the second finds itself the last."""
    if User.objects.filter(household=user.household).count() < 2:
        raise Refusal("member", "", "The last member cannot go: delete the household instead.")
    user.delete()


@transaction.atomic
def delete_household(household: Household, typed: str) -> None:
    """Everything of it, members too, for good."""
    if typed.strip() != household.name:
        raise Refusal("name", "name", f"Type the name of your household, {household.name}, to delete it.")
    users = list(User.objects.filter(household=household))
    for session in Session.objects.iterator():
        if session.get_decoded().get("_auth_user_id") in {str(u.pk) for u in users}:
            session.delete()
    # the guard at the door remembers names and addresses
    names = [u.username for u in users]
    AccessAttempt.objects.filter(username__in=names).delete()
    AccessLog.objects.filter(username__in=names).delete()
    household.delete()


def set_manner(household: Household, manner: Manner) -> None:
    household.amounts, household.heat, household.clock = manner.amounts, manner.heat, manner.clock
    household.save(update_fields=["amounts", "heat", "clock"])


def set_measure(household: Household, name: str, ml: float, cup_ml: float | None = None) -> Household:
    """ "My glass holds": the household's own measure, and which cup its recipes mean."""
    name = name.strip()
    if not name or len(name) > 20:
        raise Refusal("measure_name", "measure_name", "Give your measure a short name, such as glass or mug.")
    if not 20 <= ml <= 2000:
        raise Refusal(
            "measure_ml", "measure_ml", "Your measure holds between 20 and 2,000 ml; give a number in between."
        )
    if cup_ml is not None and not 50 <= cup_ml <= 1000:
        raise Refusal("cup_ml", "cup_ml", "A cup holds between 50 and 1,000 ml; give a number in between.")
    household.measure_name, household.measure_ml = name, ml
    household.cup_ml = household.cup_ml if cup_ml is None else cup_ml
    household.save(update_fields=["measure_name", "measure_ml", "cup_ml"])
    return household
