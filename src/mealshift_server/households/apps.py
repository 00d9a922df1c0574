from __future__ import annotations

from django.apps import AppConfig


class HouseholdsConfig(AppConfig):
    name = "mealshift_server.households"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from . import signed_in

        signed_in.listen()
