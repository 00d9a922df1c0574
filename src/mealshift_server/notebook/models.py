"""Entries of the notebook, their photos, and what the cook decided about each lesson."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.models import Pot
from mealshift_server.larder.models import Bag
from mealshift_server.plans.models import Cooking


class Entry(models.Model):
    """One pot. predicted: what the core said of it, with the figures to learn from. wet: −2 dry … 2 wet; soft: −2 hard … 2 mush.
    practice: from a cooking that ran faster than time. counts: it is learnt from."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="entries")
    cooking = models.ForeignKey(Cooking, on_delete=models.SET_NULL, null=True, related_name="entries")
    pot_key = models.CharField(max_length=300, default="")
    on = models.DateField()
    dish = models.CharField(max_length=240)
    grain = models.CharField(max_length=40)
    pot = models.ForeignKey(Pot, on_delete=models.SET_NULL, null=True)
    pot_name = models.CharField(max_length=60, default="")
    bag = models.ForeignKey(Bag, on_delete=models.SET_NULL, null=True)
    predicted = models.JSONField()
    poured_ml = models.FloatField(null=True)
    top_ups_ml = models.FloatField(default=0.0)
    taken_min = models.FloatField(null=True)
    wet = models.SmallIntegerField(null=True)
    soft = models.SmallIntegerField(null=True)
    word = models.CharField(max_length=120, default="", blank=True)
    stars = models.PositiveSmallIntegerField(null=True)
    note = models.TextField(default="", blank=True)
    practice = models.BooleanField(default=False)
    counts = models.BooleanField(default=True)
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("-on", "-id")
        constraints = (
            models.UniqueConstraint(
                fields=["cooking", "pot_key"], name="entry_once", condition=models.Q(cooking__isnull=False)
            ),
        )
        indexes = (models.Index(fields=["household", "-on", "-id"], name="entry_by_household"),)

    def __str__(self) -> str:
        return f"{self.dish}, {self.on}"


class Photo(models.Model):
    """A small JPEG, re-encoded here, so that nothing of the file that was sent is left. In the database: one file is the whole backup."""

    entry = models.OneToOneField(Entry, on_delete=models.CASCADE, related_name="photo")
    jpeg = models.BinaryField()

    def __str__(self) -> str:
        return f"photo of {self.entry}"


class Try(models.Model):
    """One guess at the practice pot: shares off the mark."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="tries")
    grain = models.CharField(max_length=40)
    water_off = models.FloatField()
    time_off = models.FloatField()
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("-id",)

    def __str__(self) -> str:
        return f"{self.grain}: {self.water_off:+.0%}"
