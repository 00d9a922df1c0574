"""The rice meals of each week."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household, User
from mealshift_server.recipes.models import Recipe, Shift


class Pace(models.Model):
    """How many meals a week to shift; grows: one more each week since then."""

    household = models.OneToOneField(Household, on_delete=models.CASCADE, related_name="pace")
    per_week = models.PositiveSmallIntegerField(default=2)
    grows = models.BooleanField(default=False)
    since = models.DateField()

    def __str__(self) -> str:
        return f"{self.per_week} a week"


class Meal(models.Model):
    """One rice meal. choice: of its shift, None while it stays rice. shift: kept for the evening. minutes: what the evening leaves."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="meals")
    on = models.DateField()
    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="meals")
    choice = models.JSONField(null=True)
    reason = models.CharField(max_length=400, default="")
    shift = models.ForeignKey(Shift, on_delete=models.SET_NULL, null=True)
    minutes = models.PositiveSmallIntegerField(null=True)
    # cooked on purpose for another day too: half of it for fridge or freezer
    double = models.BooleanField(default=False)
    cook = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)

    class Meta:
        ordering = ("on", "id")
        indexes = (models.Index(fields=["household", "on"], name="meal_by_day"),)

    def __str__(self) -> str:
        return f"{self.recipe} on {self.on}"
