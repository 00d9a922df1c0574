"""The practice pot of a household: what comes next, and what came of a guess."""

from __future__ import annotations

import secrets

from mealshift import training
from mealshift.pot import Kitchen
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.models import Pot

from .models import Try

# the newest tries that say what is guessed badly
MOST = 200


def tries(household: Household) -> list[training.Try]:
    rows = Try.objects.filter(household=household).values_list("grain", "water_off", "time_off")[:MOST]
    return [training.Try(*row) for row in rows]


def next_task(household: Household) -> training.Task:
    pots = list(Pot.objects.filter(household=household).values_list("diameter_cm", flat=True))
    return training.next_task(tries(household), pots, secrets.randbits(32))


def kitchen(household: Household) -> Kitchen:
    """A kitchen of no household, that says amounts as this one does."""
    return Kitchen(manner=household.manner, cup_ml=household.cup_ml, measure_ml=household.measure_ml)


def judge(household: Household, user: User, task: training.Task, pour_ml: float, minutes: float) -> training.Judged:
    """Judged and remembered."""
    judged = training.judge(task, pour_ml, minutes, kitchen(household))
    mark = judged.mark
    Try.objects.create(
        household=household,
        by=user,
        grain=mark.grain,
        water_off=round(mark.water_off, 4),
        time_off=round(mark.time_off, 4),
    )
    return judged
