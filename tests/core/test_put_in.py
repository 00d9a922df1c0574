""" "Wash the rice and put in a pot": what is put in without being named is the grain, and stays told of where the new one is not washed, or waits."""

from __future__ import annotations

import pytest

from mealshift.pipeline import read_once, shift_report
from mealshift.reading.clauses import wants_object
from mealshift.shifting import Choice, shift
from mealshift.writing.text import recipe_alone

THEN = " Bring to the boil, cover and simmer 15 minutes. Rest 5 minutes."


def method(steps: str, to: str, **choice: str) -> str:
    text = f"Plain pot\nServes 3\n1 cup basmati rice\n2 cups water\n1 onion\n1 tbsp oil\n\n{steps}\n"
    return recipe_alone(shift_report(shift(read_once(text), Choice(to, **choice)))).split("Method\n")[1]


SAID = (
    # the recipe's words; in steel-cut oats, which are not washed; in millet grits, which are rained in when it boils
    ("Wash the rice and put in a pot. Add the water and the onion.", "1. Put the oats in a pot. Add the water and the onion.", "2. Add the water and the onion."),
    ("Wash the rice and put into a heavy pot with the onion. Add the water.", "1. Put the oats into a heavy pot with the onion.", "2. Put the millet grits (not yet) into a heavy pot with the onion."),
    ("Rinse rice, place in pot, cover with the water, add onion.", "1. Place the oats in pot, cover with the water, add onion.", "2. Cover with the water, add onion."),
    ("Fry the onion 5 minutes. Rinse and drain the rice, then stir in. Add the water.", "Fry the onion 5 minutes. Stir in the oats. Add the water.", "Fry the onion 5 minutes. Add the water."),
    ("Fry the onion 5 minutes. Wash the rice, drain well and add to the onion. Pour in the water.", "5 minutes. Add the oats to the onion. Pour in the water.", "5 minutes. Pour in the water."),
    ("Fry the onion 5 minutes. Rinse the rice until clear; add with the water and salt.", "Add the oats with the water and salt.", "Add the millet grits (not yet) with the water and salt."),
    ("Fry the onion 5 minutes. Meanwhile wash the rice in a sieve. Add to the pan and stir to coat. Pour over the water.", "5 minutes. Add the oats to the pan and stir to coat.", "5 minutes. Pour over the water."),
    ("Wash the rice. Fry the onion 5 minutes, add the rice and fry 2 minutes. Add the water.", "fry the onion 5 minutes, add the oats and fry 2 minutes.", "Fry the onion 5 minutes. Add the water."),
)  # fmt: skip


@pytest.mark.parametrize(("words", "oats", "grits"), SAID)
def test_it_is_named_where_its_washing_is_gone(words: str, oats: str, grits: str) -> None:
    assert oats.lower() in method(words + THEN, "oats-steel-cut").lower()
    told = method(words + THEN, "millet-grits")
    assert grits in told and told.count("rain in the millet grits") == 1


def test_how_much_of_it_is_told_where_only_its_washing_said_so() -> None:
    text = "Plain pot\nServes 3\n\nRinse 150 g of rice in a sieve. Place in a large bowl with 350 ml of boiling water."
    told = recipe_alone(shift_report(shift(read_once(text + THEN), Choice("oats-steel-cut"))))
    assert "1. Place 135 g of oats in a large bowl with " in told


def test_couscous_goes_in_once() -> None:
    told = method("Fry the onion 5 minutes. Rinse and drain the rice, then stir in. Add the water." + THEN, "couscous")
    assert told.count("tir in the couscous") == 1 and "2. Bring it to the boil, take it off the heat, cover" in told


def test_a_meal_is_roasted_before_and_waits_outside_the_pot() -> None:
    fried = "Fry the onion 5 minutes, add the rice and fry 2 minutes. Add the water." + THEN
    told = method(fried, "millet-grits")
    assert told.startswith("1. Dry-roast the millet grits in the pot over low heat for 3 minutes")
    assert "nutty, then tip them onto a plate." in told and "fry 2 minutes" not in told
    made = shift(read_once(f"Pot\n1 cup rice\n2 cups water\n1 onion\n\n{fried}"), Choice("millet-grits"))
    assert [p.severity for p in made.problems if p.code == "roast"] == ["note"]
    plain = {
        words: method(words + THEN, "little-millet", roast="dry")
        for words in ("Fry the onion 5 minutes. Add the rice and water.", "Put the rice and the water in a pot.")
    }
    # in nothing but its water it stays where it was roasted
    assert ["onto a plate" in told for told in plain.values()] == [True, False]
    assert all("Dry-roast the millet" in told for told in plain.values())


def test_a_meal_whose_water_no_step_has_poured_is_told_to_boil_it() -> None:
    told = method("Cook the rice with the water on a low heat for 20 minutes, stirring often.", "millet-grits")
    assert "Bring the liquid to the boil and rain in the millet grits" in told


@pytest.mark.parametrize(
    ("clause", "now"),
    (
        ("and put in a pot", "and put X in a pot"),
        ("add,", "add X,"),
        ("then stir in", "then stir in X"),
        ("and tip into boiling water", "and tip X into boiling water"),
        ("place in the rice cooker with the water", "place X in the rice cooker with the water"),
        ("stir in the cheese", None),
        ("pour over the water", None),
        ("put on to boil", None),
        ("place over medium heat", None),
        ("add to the rice", None),
        ("add salt", None),
        ("stir with a fork", None),
        ("turn the heat down", None),
    ),
)
def test_which_clauses_want_a_thing(clause: str, now: str | None) -> None:
    at = wants_object(clause)
    assert (None if at is None else f"{clause[:at]} X{clause[at:]}") == now


def test_a_second_stirring_stays_in_its_sentence() -> None:
    told = method(
        "Put the rice, onion and water in a dish. Bake at 150C for 2 hours, stirring after the first half hour and again at the hour.",
        "oats-steel-cut",
    )
    assert "and again at the hour. Look: " in told
