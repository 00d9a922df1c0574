"""A household owns everything; a user signs in and belongs to one."""

from __future__ import annotations

from typing import ClassVar

from django.contrib.auth.models import AbstractUser
from django.db import models
from django.utils import timezone

from mealshift.manner import Manner
from mealshift.measures import CUP_ML, MEASURE_ML, Measures


class Household(models.Model):
    """The house and its own measure: "my glass holds"."""

    name = models.CharField(max_length=80)
    time_zone = models.CharField(max_length=64, default="UTC")
    measure_name = models.CharField(max_length=20, default="glass")
    measure_ml = models.FloatField(default=MEASURE_ML)
    cup_ml = models.FloatField(default=CUP_ML)
    # how many days the household's own rule lets cooked grain stay in the fridge
    fridge_days = models.PositiveSmallIntegerField(default=1)
    # how it says its numbers: the core's Manner
    amounts = models.CharField(max_length=6, default="", blank=True)
    heat = models.CharField(max_length=1, default="", blank=True)
    clock = models.PositiveSmallIntegerField(default=24)
    created = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return self.name

    @property
    def manner(self) -> Manner:
        return Manner(self.amounts, self.heat, self.clock)

    @property
    def measures(self) -> Measures:
        return Measures(self.cup_ml, self.measure_ml)


class User(AbstractUser):
    """Django's own user, in a household."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="users", null=True)

    REQUIRED_FIELDS: ClassVar[list[str]] = []


class SignedIn(models.Model):
    """One browser in which a member is signed in. key: of Django's own session, which goes when this is ended."""

    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="signed_in")
    key = models.CharField(max_length=40, unique=True)
    device = models.CharField(max_length=60)
    began = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField(default=timezone.now)

    def __str__(self) -> str:
        return f"{self.user} in {self.device}"


class Invite(models.Model):
    """A link into a household that works once. Only a digest of its token is kept."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="invites")
    token_digest = models.CharField(max_length=64, unique=True)
    until = models.DateTimeField()

    def __str__(self) -> str:
        return f"into {self.household}"


class Moved(models.Model):
    """After a restore: what had the number `was` where the backup was made has the number `now`, so that old addresses lead to it."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="moved")
    kind = models.CharField(max_length=12)
    was = models.PositiveIntegerField()
    now = models.PositiveIntegerField()

    class Meta:
        indexes = (models.Index(fields=["household", "kind", "was"], name="moved_by_old_number"),)

    def __str__(self) -> str:
        return f"{self.kind} {self.was} is {self.now}"
