"""Jars and bags of a household."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household


class Bag(models.Model):
    """grams: what is left. full_g: what was in it. The rest as the core's BagLine means it."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="bags")
    grain = models.CharField(max_length=40)
    name = models.CharField(max_length=80)
    kind = models.CharField(max_length=12)
    grams = models.FloatField()
    full_g = models.FloatField()
    best_before = models.DateField(null=True)
    opened = models.DateField(null=True)
    label_ratio = models.FloatField(null=True)
    label_min = models.FloatField(null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ("best_before", "id")
        indexes = (models.Index(fields=["household", "grain"], name="bag_by_grain"),)

    def __str__(self) -> str:
        return self.name


class Left(models.Model):
    """What is left of a meal. place: where it lies; moves: [[ISO time, place], …], all the places since the table, as the core's
    `keeping` judges it by."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="left")
    name = models.CharField(max_length=240)
    grain = models.CharField(max_length=40)
    portions = models.PositiveSmallIntegerField(default=1)
    served = models.DateTimeField()
    place = models.CharField(max_length=8, default="table")
    moves = models.JSONField(default=list)
    moved = models.DateTimeField(auto_now=True)

    class Meta:
        ordering = ("served", "id")

    def __str__(self) -> str:
        return self.name
