"""The demo household: Fennel Row, five at the table, two rice dinners a week to shift."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from django.core.management.base import BaseCommand
from django.db import transaction

from mealshift_server.base.clock import today
from mealshift_server.households.demo import DEMO_USER
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen import actions as kitchens
from mealshift_server.larder import actions as larder
from mealshift_server.notebook import actions as notebook
from mealshift_server.recipes import actions
from mealshift_server.recipes.api import examples_on_disk
from mealshift_server.week import actions as week
from mealshift_server.week import queries as week_asked

KEPT: list[tuple[str, dict[str, Any]]] = [
    ("01-tomato-pilaf", {"to": "foxtail-millet"}),
    ("05-beetroot-dill-salad", {"to": "bulgur-coarse"}),
    ("02-stirred-mushroom-rice", {"to": "barley-pearl", "pot_cm": 24.0}),
]

# a line as it is typed, and how much of it is left
LARDER = (
    ("1 kg foxtail millet, best 8/2027, opened yesterday", 0.64),
    ("900 g pearl barley, best 4/2027", 1.0),
    ("500 g coarse bulgur, best 2/2026, opened 2025-09-02", 0.7),
    ("500 g quinoa, best 11/2027, 1:2, 15 min", 1.0),
    ("1 kg brown rice, best 6/2027", 0.3),
    ("400 g little millet, best 9/2027", 1.0),
)
# the rice meals of a week: weekday from Monday 0, dish
WEEK = [
    (0, "03-ginger-broth-porridge"),
    (1, "01-tomato-pilaf"),
    (3, "07-lentils-with-browned-onions"),
    (4, "06-saffron-pan-with-peas"),
    (6, "08-stuffed-peppers"),
]
# days ago, dish, more poured than told, minutes more than told, dry to wet, hard to mush, a word
COOKED: list[tuple[int, str, int, int, int, int, str]] = [
    (3, "01-tomato-pilaf", 0, 0, -1, 0, "good, a little dry at the edge"),
    (8, "02-stirred-mushroom-rice", 0, 3, 0, 0, "barley wants its time"),
    (11, "01-tomato-pilaf", 40, 1, 0, 0, "topped up once"),
    (17, "05-beetroot-dill-salad", 0, 0, 0, 0, ""),
    (20, "01-tomato-pilaf", 0, 0, -1, -1, ""),
    (25, "02-stirred-mushroom-rice", -30, 2, 0, 0, "creamy"),
    (31, "01-tomato-pilaf", 0, 0, -2, -1, "short of water"),
    (38, "05-beetroot-dill-salad", 0, -2, 1, 0, "drain it longer"),
    (45, "02-stirred-mushroom-rice", 0, 0, 0, -1, "still firm, the first try"),
]


def _notebook(house: Household, user: User, kept: dict[str, Any]) -> None:
    for ago, slug, more, longer, wet, soft, word in COOKED:
        pot = kept[slug].result["pots"][0]
        told, minutes = pot["water"]["jug_ml"], pot["time"]["cook"]["typical"]
        on = today(house) - timedelta(days=ago)
        notebook.add(
            house,
            user,
            {
                "shift_id": kept[slug].pk,
                "on": on,
                "poured_ml": max(1.0, told + more),
                "taken_min": minutes + longer,
                "wet": wet,
                "soft": soft,
                "word": word,
            },
        )


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
        for line, share in LARDER:
            bag = larder.add(house, line)
            larder.change(bag, {"grams": bag.grams * share})
        kept = {slug: actions.keep_shift(house, recipes[slug], recipes[slug].text, [], choice) for slug, choice in KEPT}
        _notebook(house, user, kept)
        monday = week_asked.start_of(today(house))
        for weekday, slug in WEEK:
            week.put_on(house, recipes[slug], monday + timedelta(days=weekday))
        self.stdout.write(f"Seeded {house.name}: {len(recipes)} recipes, {len(KEPT)} shifts.")


def _kitchen(house: Household) -> None:
    kitchens.set_kitchen(
        house,
        {
            "burners": [1200.0, 1200.0, 1800.0],
            "oven_places": 2,
            "rice_cooker": False,
            "pressure_cooker": True,
            "electric_pressure": False,
            "slow_cooker": False,
            "microwave_w": 800.0,
            "whistle_min": 2.5,
            "altitude_m": 0.0,
            "room_c": 20.0,
            "jar_ml": 400.0,
            "time_zone": None,
        },
    )
    for name, cm, litres, lid in (
        ("the blue pot", 20.0, 3.7, "ordinary"),
        ("the wide pan", 26.0, 4.2, "ordinary"),
        ("the little one", 16.0, 1.8, "tight"),
    ):
        kitchens.add_pot(house, {"name": name, "diameter_cm": cm, "litres": litres, "lid": lid})
