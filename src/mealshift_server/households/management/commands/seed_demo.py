"""The demo household: Fennel Row, five at the table, two rice dinners a week to shift."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction

from mealshift_server.api.demo import DEMO_USER
from mealshift_server.api.routes import examples_on_disk
from mealshift_server.households.models import Household, User
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
        recipes = {e["slug"]: actions.keep_recipe(house, e["text"], []) for e in reversed(examples_on_disk())}
        for slug, choice in KEPT:
            actions.keep_shift(house, recipes[slug], recipes[slug].text, [], choice)
        self.stdout.write(f"Seeded {house.name}: {len(recipes)} recipes, {len(KEPT)} shifts.")
