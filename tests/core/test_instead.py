"""What a line of the list offers instead is none of the pot's: the first thing named is read, and the new list holds nothing that was true of the old pot alone."""

from __future__ import annotations

import pytest

from mealshift.pipeline import read_once, shift_report
from mealshift.reading.instead import instead, without
from mealshift.reading.roles import kept_ready
from mealshift.recipe import Recipe
from mealshift.shifting import Choice, shift
from mealshift.writing.text import recipe_alone

PAN = """Pan with peas
Serves 4

Ingredients
1 onion, chopped
2 tbsp butter
{rice}
{stock}
{third}
150 g peas

Method
1. Soften the onion in the butter, 6 minutes. Stir in the rice and cook for 2 minutes.
2. Pour in the stock, bring to a boil, cover, turn down and simmer 15 minutes.
3. Scatter the peas over, cover and leave off the heat for 5 minutes. Fluff.
"""


def brought(rice: str = "300 g basmati rice", stock: str = "600 ml hot stock", third: str = "1 tsp salt") -> Recipe:
    return read_once(PAN.format(rice=rice, stock=stock, third=third))


def listed(recipe: Recipe) -> list[str]:
    told = recipe_alone(shift_report(shift(recipe, Choice("quinoa"))))
    return told.split("Ingredients\n")[1].split("\n\n")[0].replace("- ", "").split("\n")


GRAINS = (
    # the line; the grain and its grams, or "cooked"; the line in quinoa
    ("300 g basmati rice (or jasmine)", "basmati", 300, "277 g quinoa"),
    ("300 g basmati or long-grain rice", "basmati", 300, "277 g quinoa"),
    ("300 g basmati, jasmine, or other long-grain rice", "basmati", 300, "277 g quinoa"),
    ("300 g basmati/jasmine", "basmati", 300, "277 g quinoa"),
    ("300 g fragrant basmati rice", "basmati", 300, "277 g quinoa"),
    ("300 g basmati – jasmine is fine too", "basmati", 300, "277 g quinoa"),
    ("300 g basmati rice (tukda is also ok)", "basmati", 300, "277 g quinoa"),
    ("300 g basmati, or brown basmati if you have time", "basmati", 300, "277 g quinoa"),
    ("300 g basmati rice (use 250 g if using arborio)", "basmati", 300, "277 g quinoa"),
    ("300 g basmati rice or 2 pouches of ready-cooked rice", "basmati", 300, "277 g quinoa"),
    ("1 1/2 cups basmati rice (or 4 cups cooked rice)", "basmati", 277, "1 1/2 cups quinoa"),
    ("300 g (1 1/2 cups) basmati rice, or 350 g for hungry people", "basmati", 300, "256 g (1 1/2 cups) quinoa"),
    ("300 g basmati rice\nor 300 g long-grain rice", "basmati", 300, "277 g quinoa"),
    ("300 g rice\n(or bulgur)", "rice-white-long", 300, "277 g quinoa"),
    ("300 g rice, or the same of couscous", "rice-white-long", 300, "277 g quinoa"),
    ("300 g rice (75 g per person)", "rice-white-long", 300, "277 g quinoa"),
    ("300g long grain rice – any kind will do, even brown", "rice-white-long", 300, "277 g quinoa"),
    ("1 1/2 cups long-grain white rice or parboiled rice", "rice-white-long", 277, "1 1/2 cups quinoa"),
    ("1 1/2 cups white rice (not brown, it will not cook through)", "rice-white-long", 277, "1 1/2 cups quinoa"),
    ("1 1/2 cups rice, basmati if you have it", "basmati", 277, "1 1/2 cups quinoa"),
    ("1 mug basmati rice (about 300 g)", "basmati", 300, "1 mug quinoa (about 277 g)"),
    ("1 1/2 C brown rice, medium or short grain", "rice-brown-short", 292, "1 1/2 C quinoa"),
    ("600 g cooked rice, or 200 g raw rice cooked and cooled", "cooked", 600, "226 g quinoa"),
    ("200 g raw rice, cooked and cooled (or 600 g leftover)", "cooked", 600, "226 g quinoa"),
    ("300 g basmatirijst (of 800 g gekookte rijst)", "basmati", 300, "277 g quinoa"),
    ("320 g de arroz basmati (o 80 g por persona)", "basmati", 320, "295 g quinoa"),
    ("300 g de riz basmati (ou thaï)", "basmati", 300, "277 g quinoa"),
    ("300 g Basmatireis (oder Jasmin)", "basmati", 300, "277 g quinoa"),
    ("Rice, basmati or jasmine . 300 g", "basmati", 300, "Quinoa . 277 g"),
)


@pytest.mark.parametrize(("line", "grain", "grams", "now"), GRAINS)
def test_the_first_grain_named_is_the_recipes(line: str, grain: str, grams: float, now: str) -> None:
    recipe = brought(rice=line)
    mine = recipe.source_line
    assert mine is not None and mine.g == pytest.approx(grams, abs=2)
    assert mine.cooked if grain == "cooked" else (mine.grain, mine.cooked) == (grain, False)
    assert listed(recipe)[2] == now


LIQUIDS = (
    # the line; the millilitres of it that are poured; the line in quinoa
    ("600 ml stock, or water with 2 bouillon cubes", 600, "670 ml stock, or water with 2 bouillon cubes"),
    ("600 ml stock (or 2 tins of broth)", 600, "670 ml stock"),
    ("600 ml stock – or 500 ml if you like it firmer", 600, "670 ml stock"),
    ("600 ml stock, 700 if you use a wide pan", 600, "670 ml stock"),
    ("600 ml stock (550 ml for gas)", 600, "670 ml stock"),
    ("600 ml stock (550 in the pressure cooker)", 600, "670 ml stock"),
    ("600 ml stock [or 2 cups if your cups are big]", 600, "670 ml stock"),
    ("600 ml stock (if using old rice 650 ml)", 600, "670 ml stock"),
    ("2½ cups stock, or 2 cups if your rice is soaked", 592, "2¾ cups stock"),
    ("either 600 ml stock or 500 ml stock and a glass of white wine", 600, "670 ml stock"),
    ("600 ml stock or 600 ml water plus 2 tsp bouillon", 600, "670 ml stock"),
    ("600 ml stock\nOR 600 ml water with 2 tsp bouillon powder", 600, "670 ml stock"),
    ("600 ml chicken broth (or 500 ml broth + 1/2 cup wine)", 600, "670 ml chicken broth"),
    ("600 ml of stock – no stock? Water and salt will do", 600, "670 ml of stock – no stock? Water and salt will do"),
    ("600 ml water, half of it stock if you like", 600, "670 ml water, half of it stock if you like"),
    ("600 ml liquid: the tomato juice and water", 600, "670 ml liquid: the tomato juice and water"),
    ("2 stock cubes dissolved in 600 ml boiling water", 600, "2 stock cubes dissolved in 670 ml boiling water"),
    ("stock cube + 600 ml water", 600, "stock cube + 670 ml water"),
    ("1 litre stock (you will use about 600 ml)", 600, "670 ml stock"),
    ("1 litre hot stock, of which 600 ml for the rice", 600, "670 ml hot stock"),
    ("1½ times the volume of the rice in stock (about 600 ml)", 600, "670 ml stock"),
)


@pytest.mark.parametrize(("line", "poured", "now"), LIQUIDS)
def test_another_pots_liquid_is_neither_poured_nor_listed(line: str, poured: float, now: str) -> None:
    recipe = brought(stock=line)
    wet = [ln for ln in recipe.lines if ln.carrier]
    assert [ln.ml for ln in wet] == [pytest.approx(poured, abs=1)]
    assert recipe.lines[recipe.source or 0].text == "300 g basmati rice"
    assert listed(recipe)[3] == now


@pytest.mark.parametrize(
    "line",
    (
        "100 ml extra water, if needed",
        "2 cups water if the stock runs out",
        "more boiling water, about 1 cup, if the pot gets dry",
        "1/2 cup water, only if it sticks",
        "1 cup water (optional, if you like it soft)",
    ),
)
def test_what_is_kept_ready_is_not_poured(line: str) -> None:
    recipe = brought(third=line)
    assert sum(ln.water for ln in recipe.lines if ln.role == "pot_liquid") == pytest.approx(588)
    assert line in listed(recipe) and not [d for d in recipe.doubts if d.field == "water"]


def test_what_two_mugs_weigh_tells_how_much_three_hold() -> None:
    recipe = brought(rice="2 mugs basmati rice (about 500 g)", stock="3 mugs stock")
    assert [round(ln.ml or 0) for ln in recipe.lines if ln.grain or ln.carrier] == [641, 962]


def test_a_question_offers_the_other_grain_where_it_cooks_otherwise() -> None:
    asked = [d for d in brought(rice="300 g basmati, or brown basmati if you have time").doubts if d.field == "grain"]
    assert [r.label for d in asked for r in d.choices] == ["basmati rice", "long-grain brown rice"]
    assert not [d for d in brought(rice="300 g basmati rice (or jasmine)").doubts if d.field == "grain"]


def test_what_was_another_pots_is_said_to_be_left_out() -> None:
    made = shift_report(shift(brought(stock="600 ml stock, 700 if you use a wide pan"), Choice("quinoa")))
    assert [p["text"] for p in made["problems"] if p["code"] == "left_out"] == [
        "Left out, as it is told of another pot or another grain: “700 if you use a wide pan”."
    ]


@pytest.mark.parametrize(
    "line",
    (
        # one amount, said twice
        "200 g or 1 cup rice",
        "1 cup (or 185 g) rice",
        "1 cup rice, or 185 g",
        "1 or 2 onions",
        "1 can (14 oz) or 1 1/2 cups cooked beans",
        # one thing, of one of two kinds
        "chicken or vegetable stock",
        "600 ml stock or water",
        "white long-grain or basmati rice",
        # no other thing
        "1 tsp salt, or to taste",
        "2 cups water or as needed",
        "600 ml stock (you may not need all of it)",
        "2 1/2 cups stock (1 carton is 4 cups, so freeze the rest)",
        "600 ml stock, 100 ml more if needed",
        # of two only the other is measured
        "2 coconuts (or 2 tins coconut milk)",
    ),
)
def test_what_offers_nothing_stays_whole(line: str) -> None:
    assert instead(line) == () and without(line)[0] == line


def test_what_follows_an_offer_is_of_the_line() -> None:
    assert without("2 cups rice or quinoa, 3 cups water, 1 onion")[0] == "2 cups rice, 3 cups water, 1 onion"
    assert without("1 cup arborio or carnaroli rice, rinsed")[0] == "1 cup arborio, rinsed"
    assert without("2 bell peppers or 1 large red onion and 2 carrots")[0] == "2 bell peppers and 2 carrots"
    assert without("1 tin beans, drained, or 1/2 cup dried, soaked and boiled")[0] == "1 tin beans, drained"


@pytest.mark.parametrize("run", ("1 ", "a ", "half ", "or 1 ", "or ", "- ", "(or "))
def test_no_line_keeps_the_reader_busy(run: str) -> None:
    for head in ("rice, or ", "600 ml stock ("):
        line = head + run * 200 + "x"
        assert all(0 <= a < b <= len(line) for a, b in instead(line)) and kept_ready(line) in (True, False)
