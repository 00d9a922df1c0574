"""Changes of state of households and their users, one function each."""

from __future__ import annotations

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import transaction

from mealshift.problems import Refusal

from .models import Household, User


@transaction.atomic
def found_household(household_name: str, user_name: str, password: str) -> User:
    """A new household with its first user. Refusal names the field at fault."""
    household_name, user_name = household_name.strip(), user_name.strip()
    if not household_name or len(household_name) > 80:
        raise Refusal("household", "household", "Give your household a name of up to 80 letters.")
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
    user.household = Household.objects.create(name=household_name)
    user.set_password(password)
    user.save()
    return user


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
