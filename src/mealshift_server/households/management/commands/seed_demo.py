"""The demo household: Fennel Row, five at the table, two rice dinners a week to shift."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction

from mealshift_server.api.demo import DEMO_USER
from mealshift_server.api.routes import examples_on_disk
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen import actions as kitchens
from mealshift_server.recipes import actions

KEPT: list[tuple[str, dict[str, Any]]] = [
    ("01-tomato-pilaf", {"to": "foxtail-millet"}),
    ("05-beetroot-dill-salad", {"to": "bulgur-coarse"}),
    ("02-stirred-mushroom-rice", {"to": "barley-pearl", "pot_cm": 24.0}),
]


class Command(BaseCommand):
    help = "Makes the demo household, once."

    @transaction.atomic
    def handle(self, *args: Any, **options: Any) -> None:
        if User.objects.filter(username=DEMO_USER).exists():
            return
        house = Household.objects.create(name="Fennel Row, five at the table", measure_name="glass", measure_ml=220.0)
        user = User(username=DEMO_USER, household=house)
        user.set_unusable_password()
        user.save()
        _kitchen(house)
        recipes = {e["slug"]: actions.keep_recipe(house, e["text"], []) for e in reversed(examples_on_disk())}
        for slug, choice in KEPT:
            actions.keep_shift(house, recipes[slug], recipes[slug].text, [], choice)
        self.stdout.write(f"Seeded {house.name}: {len(recipes)} recipes, {len(KEPT)} shifts.")


def _kitchen(house: Household) -> None:
    kitchens.set_kitchen(
        house,
        {"burners": [1200.0, 1200.0, 1800.0], "oven_places": 2, "rice_cooker": False, "pressure_cooker": True, "electric_pressure": False,
         "microwave_w": 800.0, "whistle_min": 2.5, "altitude_m": 0.0, "room_c": 20.0, "jar_ml": 400.0, "time_zone": None},
    )  # fmt: skip
    for name, cm, litres, lid in (
        ("the blue pot", 20.0, 3.7, "ordinary"),
        ("the wide pan", 26.0, 4.2, "ordinary"),
        ("the little one", 16.0, 1.8, "tight"),
    ):
        kitchens.add_pot(house, {"name": name, "diameter_cm": cm, "litres": litres, "lid": lid})
