"""What a text says of a grain that its recipe does not cook, and what only sounds so."""

import pytest

from mealshift.reading.otherwise import another_batch, of_other_sorts

RICE = frozenset({"rice-white-long"})


@pytest.mark.parametrize(
    ("text", "gone"),
    [
        (
            "Bake 1 hour. For brown rice use 3 cups and bake 90 minutes. Fluff.",
            "For brown rice use 3 cups and bake 90 minutes. ",
        ),
        ("Simmer 12 minutes. Brown rice takes 30 minutes. Rest.", "Brown rice takes 30 minutes. "),
        ("Low heat, 15 min. Brown rice: 500 ml water, 35 min.", "Brown rice: 500 ml water, 35 min."),
        (
            "Lid on, 15 minutes. if its brown rice i use two cups and 40 minutes. off heat",
            "if its brown rice i use two cups and 40 minutes. ",
        ),
        ("If using brown rice, soak it overnight. Bring to a boil.", "If using brown rice, soak it overnight. "),
        ("brown needs 4 cups and 35 min", "brown needs 4 cups and 35 min"),
        (
            "Simmer 20 minutes. Add another 1/2 cup broth and 25 minutes if using brown rice. Rest.",
            "Add another 1/2 cup broth and 25 minutes if using brown rice. ",
        ),
        (
            "Brown rice works too. It needs 45 minutes and 3 cups. Stir.",
            "Brown rice works too. It needs 45 minutes and 3 cups. ",
        ),
        (
            "You can use brown rice too; increase the water to 3 cups. Stir well.",
            "You can use brown rice too; increase the water to 3 cups. ",
        ),
        ("Increase the water to 2½ cups for brown rice.", "Increase the water to 2½ cups for brown rice."),
        ("Cook 18 minutes (brown rice 40), then rest.", " (brown rice 40)"),
        ("Simmer, covered, 18 minutes (45 if it's brown), then rest.", " (45 if it's brown)"),
        ("Simmer 18 minutes, or 45 minutes for brown rice, until tender.", ", or 45 minutes for brown rice"),
        (
            "Simmer 12 minutes - 40 minutes and 2 cups water if you use brown rice. Rest.",
            " - 40 minutes and 2 cups water if you use brown rice",
        ),
        ("15 minutes for white rice, 40 for brown.", ", 40 for brown"),
        ("Cook 40 minutes for brown rice, 15 minutes for white.", "40 minutes for brown rice, "),
        ("If you have quinoa at hand, cook 15 minutes.", "If you have quinoa at hand, cook 15 minutes."),
        ("Simmer, covered (rice 40 minutes, quinoa 15 minutes).", ", quinoa 15 minutes"),
        (
            "Swap: use quinoa instead of rice (same water, 15 minutes). Fry.",
            "Swap: use quinoa instead of rice (same water, 15 minutes). ",
        ),
        (
            "18 Minuten köcheln. Bei Naturreis verdoppelt sich die Garzeit.",
            "Bei Naturreis verdoppelt sich die Garzeit.",
        ),
        # what is no other pot's: what it is served with, what it has two of, a cooker's button, a white rice where it only says rice
        ("For the brown rice: bring 3 cups to a boil, cook 40 minutes.", ""),
        ("Serve with brown rice. Top 2 cups of stew with brown rice.", ""),
        ("Toast 1 cup quinoa for 5 minutes.", ""),
        ("Use the brown rice setting for 40 minutes.", ""),
        ("For basmati rice cook 12 minutes.", ""),
        ("For white rice cook 12 minutes.", ""),
        ("With brown rice in the pot, close the lid.", ""),
        ("Add the onion and brown 5 minutes. Fry until golden brown, 10 minutes (12 if you want it brown).", ""),
        ("Brown: 5 minutes a side. Brown and drain the beef, 10 minutes.", ""),
    ],
)
def test_what_is_said_of_another_sort(text: str, gone: str) -> None:
    assert "".join(text[a:b] for a, b in of_other_sorts(text, RICE, told=False)) == gone


def test_whose_it_is_depends_on_the_recipe() -> None:
    white = "For white rice use 400 ml and 15 minutes."
    assert of_other_sorts(white, frozenset({"rice-brown-short"}), told=True)
    brown = "For brown rice use 600 ml and 40 minutes."
    assert not of_other_sorts(brown, frozenset({"rice-brown-short"}), told=True)
    assert not of_other_sorts(brown, frozenset({"rice-white-long", "rice-brown-long"}), told=False)
    jasmine = "For jasmine rice use 300 ml and 12 minutes."
    assert of_other_sorts(jasmine, frozenset({"basmati"}), told=True)
    assert not of_other_sorts(jasmine, frozenset(), told=True)


@pytest.mark.parametrize(
    ("text", "gone"),
    [
        (
            "Simmer 18 minutes. At 5,000 feet add 1/4 cup and cook 5 minutes longer. Rest.",
            "At 5,000 feet add 1/4 cup and cook 5 minutes longer.",
        ),
        ("In a wide pan you will need 450 ml water. Boil it.", "In a wide pan you will need 450 ml water."),
        ("12 minutes (15 unsoaked) on low", " (15 unsoaked)"),
        # the recipe's own pot, its minutes, its water
        ("In a large pot, add 2 cups water and bring to a boil.", ""),
        ("In a large pan use 2 cups stock.", ""),
        ("At 10 m add the peas. Over 5 min, add 2 cups.", ""),
        ("1 cup rice (soaked 30 minutes)", ""),
        ("2 tbsp salt (4 tbsp for boiling + soak)", ""),
        ("In a small pan you will need 2 tbsp oil to fry the onions.", ""),
        ("2 cups (double the volume of water, about 7 dl)", ""),
    ],
)
def test_what_is_said_of_another_pot(text: str, gone: str) -> None:
    assert "".join(text[a:b] for a, b in another_batch(text)) == gone
