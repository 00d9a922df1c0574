"""What the cook decided about what the notebook would teach."""

from __future__ import annotations

from django.db import models

from mealshift_server.households.models import Household


class Decision(models.Model):
    """What the cook decided about one lesson. held: the value reckoned with (None: the catalogue's). refused: the value said no to."""

    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="decisions")
    kind = models.CharField(max_length=20)
    subject = models.CharField(max_length=60, blank=True)
    held = models.FloatField(null=True)
    refused = models.FloatField(null=True)
    text = models.CharField(max_length=300, default="")
    entries = models.JSONField(default=list)
    # the core's catalogue it was learnt against; what was learnt against an older one does not hold
    catalogue = models.PositiveSmallIntegerField(default=1)
    decided = models.DateTimeField(auto_now=True)

    class Meta:
        # it was the notebook's table before it had a room of its own
        db_table = "notebook_decision"
        ordering = ("-decided",)
        constraints = (models.UniqueConstraint(fields=["household", "kind", "subject"], name="decision_once"),)

    def __str__(self) -> str:
        return f"{self.kind} {self.subject}"
