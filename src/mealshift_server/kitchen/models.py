"""What a household cooks with. A household that has said nothing has no Kitchen row, and nothing is ruled out for it."""

from __future__ import annotations

from django.db import models

from mealshift.measures import WHISTLE_MIN
from mealshift.pot.ways import ALTITUDE_M, JAR_ML, OVEN_PLACES, ROOM_C
from mealshift_server.households.models import Household


class Kitchen(models.Model):
    """burners: watts of each. The rest as the core's Kitchen means it."""

    household = models.OneToOneField(Household, on_delete=models.CASCADE, related_name="kitchen")
    burners = models.JSONField(default=list)
    oven_places = models.PositiveSmallIntegerField(default=OVEN_PLACES)
    rice_cooker = models.BooleanField(default=False)
    pressure_cooker = models.BooleanField(default=False)
    electric_pressure = models.BooleanField(default=False)
    slow_cooker = models.BooleanField(default=False)
    microwave_w = models.FloatField(null=True)
    whistle_min = models.FloatField(default=WHISTLE_MIN)
    altitude_m = models.FloatField(default=ALTITUDE_M)
    room_c = models.FloatField(default=ROOM_C)
    jar_ml = models.FloatField(default=JAR_ML)

    def __str__(self) -> str:
        return f"kitchen of {self.household}"


class Took(models.Model):
    """How long something took at the stove once (the core's cooking/took.py): of each key the last few are kept."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="took")
    key = models.CharField(max_length=60)
    value = models.FloatField()
    at = models.DateTimeField()

    class Meta:
        ordering = ("id",)
        indexes = (models.Index(fields=["household", "key"], name="took_by_household"),)

    def __str__(self) -> str:
        return f"{self.key} {self.value:g}"


class Pot(models.Model):
    """boil_off: what it loses beside the usual figure, 1 until tested. test: the last test's measures."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="pots")
    name = models.CharField(max_length=40)
    diameter_cm = models.FloatField()
    litres = models.FloatField(null=True)
    lid = models.CharField(max_length=10, default="ordinary")
    boil_off = models.FloatField(default=1.0)
    test = models.JSONField(null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("id",)

    def __str__(self) -> str:
        return self.name


class Device(models.Model):
    """A scale or a probe that may tell this household's cookings what it reads. Only a digest of its key is kept."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="devices")
    name = models.CharField(max_length=40)
    kind = models.CharField(max_length=10)
    key_digest = models.CharField(max_length=64, unique=True)
    created = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return self.name
