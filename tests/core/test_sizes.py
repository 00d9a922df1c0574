"""Amounts for several numbers of eaters: one of them is read, and the others are in no list and no pot."""

import pytest

from mealshift import pipeline
from mealshift.reading import read
from mealshift.text.sizes import one_size

STEPS = "\n\nBring the water to a boil, add the rice, cover and simmer on low for 20 minutes. Off the heat 5 minutes."


@pytest.mark.parametrize(
    ("told", "serves", "ml_or_g", "water"),
    [
        ("For 2 people: 150 g rice, 300 ml water\nFor 4 people: 300 g rice, 600 ml water", 2, 150, 300),
        (
            "Serves 1: 75g rice, 150ml water. Serves 2: 150g rice, 300ml water. Serves 4: 300g rice, 600ml water.",
            1,
            75,
            150,
        ),
        ("(2 / 4 / 6 servings)\nRice 1/2 cup / 1 cup / 1 1/2 cups\nWater 1 cup / 2 cups / 3 cups", 2, 120, 240),
        ("Small pot: 200 g rice, 400 ml water\nLarge pot: 500 g rice, 900 ml water", None, 200, 400),
        ("Servings | Rice | Water\n2 | 1/2 cup | 1 cup\n4 | 1 cup | 2 cups", 2, 120, 240),
        (
            "Serves 4\n\n| Servings | Rice | Water |\n|---|---|---|\n| 2 | 1/2 cup | 1 cup |\n| 4 | 1 cup | 2 cups |",
            4,
            240,
            480,
        ),
        ("\t2 people\t4 people\nRice\t150 g\t300 g\nWater\t300 ml\t600 ml", 2, 150, 300),
        ("150 g rice (300 g for 4 people)\n300 ml water (600 ml for 4)\nServes 2", 2, 150, 300),
    ],
)
def test_one_size_is_read(told: str, serves: int | None, ml_or_g: float, water: float) -> None:
    recipe = read("Plain pot\n" + told + STEPS)
    j = pipeline.read_report(recipe)
    grain = j["source_grain"]
    assert grain is not None and (grain["ml"] if "cup" in told else grain["g"]) == pytest.approx(ml_or_g, rel=0.02)
    assert recipe.servings == serves
    assert sum(ln.ml or 0 for ln in recipe.lines if ln.kind == "water") == pytest.approx(water, rel=0.02)
    assert not [d for d in recipe.doubts if d.field == "amount"]
    # a bracket is beside its amount; what a table or a label told of the others is said to be left
    assert ("sizes" in {p.code for p in recipe.problems}) == ("(300 g" not in told)


def test_the_other_sizes_are_in_no_new_list() -> None:
    text = (
        "Plain pot\nServes 2\n150 g rice (300 g for 4 people)\n300 ml water (600 ml for 4)\n1 leek (2 leeks for 4)"
        + STEPS
    )
    shift = pipeline.shift(read(text), pipeline.Choice("barley-pearl"))
    assert [ln.text for ln in shift.lines if ln.was] == ["160 g pearl barley", "435 ml water", "1 leek"]
    assert all(0 <= a < b <= len(ln.text) for ln in shift.lines for a, b in ln.marks)


@pytest.mark.parametrize(
    "text",
    [
        "Ingredient | Amount\nRice | 1 cup\nWater | 2 cups",
        "Rice | 1 cup | 200 g\nWater | 2 cups | 480 ml",
        "Servings | Rice\nmany | 1 cup\nfew | 2 cups",
        "Serves 4",
        "# | Step | Time\n1 | Boil water | 5 min\n2 | Add rice | 15 min",
        "\tWhat\tMinutes\n1\tBoil\t5\n2\tSimmer\t15",
    ],
)
def test_other_tables_stay(text: str) -> None:
    assert one_size(text) == text


def test_an_amount_in_two_units_is_one_size() -> None:
    recipe = read("Plain pot\nServes 2/4\n200 g / 7 oz rice\n400 ml / 14 fl oz water" + STEPS)
    assert [ln.text for ln in recipe.lines] == ["200 g / 7 oz rice", "400 ml / 14 fl oz water"]
