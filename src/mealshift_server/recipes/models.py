"""Recipes as they were brought, and the shifts kept of them."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household, User


class Recipe(models.Model):
    """The text with the cook's corrections. `version` grows by one with each change, so that no change is lost silently."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="recipes")
    title = models.CharField(max_length=200)
    text = models.TextField()
    corrections = models.JSONField(default=list)
    # no grain to shift: cooked beside the others as it is
    side = models.BooleanField(default=False)
    version = models.PositiveIntegerField(default=1)
    created = models.DateTimeField(auto_now_add=True)
    updated = models.DateTimeField(auto_now=True)

    class Meta:
        ordering = ("-updated", "-id")
        indexes = (models.Index(fields=["household", "-updated"], name="recipe_by_household"),)

    def __str__(self) -> str:
        return self.title


class Draft(models.Model):
    """The recipe in hand, the household's: another device goes on with it. The last who wrote it has it."""

    household = models.OneToOneField(Household, on_delete=models.CASCADE, related_name="draft")
    text = models.TextField(blank=True)
    corrections = models.JSONField(default=list)
    choice = models.JSONField(null=True)
    recipe = models.ForeignKey(Recipe, on_delete=models.SET_NULL, null=True)
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)
    changed = models.DateTimeField(auto_now=True)

    def __str__(self) -> str:
        return self.text[:40]


class Shift(models.Model):
    """A kept shift: recipe text, choice, factors and the engine's version beside the result, so it stays explainable."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="shifts")
    recipe = models.ForeignKey(Recipe, on_delete=models.SET_NULL, null=True, related_name="shifts")
    title = models.CharField(max_length=240)
    grain = models.CharField(max_length=40)
    text = models.TextField()
    corrections = models.JSONField(default=list)
    choice = models.JSONField()
    factors = models.JSONField(default=dict)
    engine = models.CharField(max_length=20)
    result = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("-created", "-id")
        indexes = (models.Index(fields=["household", "-created"], name="shift_by_household"),)

    def __str__(self) -> str:
        return self.title
