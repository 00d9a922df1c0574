"""The notebook listens to the stove."""

from __future__ import annotations

from django.apps import AppConfig


class NotebookConfig(AppConfig):
    name = "mealshift_server.notebook"

    def ready(self) -> None:
        from . import evening  # noqa: F401 - its receiver is registered by being imported
