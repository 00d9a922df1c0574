"""Cookings and their events. Events are only ever added."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household, User


class Cooking(models.Model):
    """A plan being cooked. script: its steps as the core wrote them. dishes: what the pots are solved from. speed: kitchen minutes in a
    real minute (1; the demo may run at 60). alone: it touches by itself."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="cookings")
    client_id = models.CharField(max_length=64)
    title = models.CharField(max_length=400)
    began = models.DateTimeField()
    serve_at = models.DateTimeField()
    speed = models.PositiveSmallIntegerField(default=1)
    alone = models.BooleanField(default=False)
    script = models.JSONField()
    dishes = models.JSONField()
    ended = models.DateTimeField(null=True)
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)

    class Meta:
        ordering = ("-began", "-id")
        constraints = (models.UniqueConstraint(fields=["household", "client_id"], name="cooking_once"),)
        indexes = (models.Index(fields=["household", "-began"], name="cooking_by_household"),)

    def __str__(self) -> str:
        return self.title


class Tonight(models.Model):
    """The plan in hand, the household's: the phone shows what the laptop planned. `version` grows with each change, so that none is lost silently.
    plan: what is asked (schemas.TonightPlan)."""

    household = models.OneToOneField(Household, on_delete=models.CASCADE, related_name="tonight")
    plan = models.JSONField()
    serve_at = models.DateTimeField()
    version = models.PositiveIntegerField(default=1)
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)
    changed = models.DateTimeField(auto_now=True)

    def __str__(self) -> str:
        return f"{self.serve_at:%Y-%m-%d %H:%M}"


class Event(models.Model):
    """client_id: made by the device that saw it, so that a second sending changes nothing. minute: kitchen minutes since the start."""

    cooking = models.ForeignKey(Cooking, on_delete=models.CASCADE, related_name="events")
    client_id = models.CharField(max_length=160)
    kind = models.CharField(max_length=12)
    minute = models.FloatField()
    data = models.JSONField(default=dict)
    received = models.DateTimeField(auto_now_add=True)
    by = models.ForeignKey(User, on_delete=models.SET_NULL, null=True)

    class Meta:
        ordering = ("id",)
        constraints = (models.UniqueConstraint(fields=["cooking", "client_id"], name="event_once"),)

    def __str__(self) -> str:
        return f"{self.kind} at {self.minute:.1f}"
