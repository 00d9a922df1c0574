"""What cooks say without saying it: minutes without the word, water told by its sum, a vessel's size in passing, one way or another."""

from __future__ import annotations

import pytest

from mealshift import pipeline
from mealshift.measures import Measures
from mealshift.process import Span
from mealshift.reading import pours, read
from mealshift.recipe import Line, Recipe
from mealshift.shifting import Choice
from mealshift.text.amounts import items
from mealshift.text.times import stretches


def of(recipe: Recipe, kind: str) -> list[float]:
    return [d.typical for st in recipe.steps for d in st.durations if d.kind == kind]


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("Off, leave alone 10, rest of the butter forked through", [10]),
        ("off. tea towel under the lid, 5 more", [5]),
        ("so it sat there maybe ten, covered.", [10]),
        ("gave it another six. Then", [6]),
        ("low for another 9 or 10. Fluff", [9.5]),
        ("It takes about 8 to come up.", [8]),
        ("Add 2 more cups, then 2 eggs", []),
        ("Serves about 4. Makes about 20.", []),
        ("Plenty for four, warm or cold. It does for six, with some left.", []),
        ("Double it for many, this was for 4.", []),
        ("Turn it off and walk away for ten. Fish out the bay leaf", [10]),
        ("cut into about 5 pieces, gas on 4.", []),
        ("bake for one and leave a", []),
    ],
)
def test_numbers_nobody_called_minutes(text: str, said: list[float]) -> None:
    assert [s.typical for s in stretches(text)] == said


@pytest.mark.parametrize(
    ("line", "things"),
    [
        ("Rice 500 g · water 1 litre · salt 1 tsp", ["Rice", "water", "salt"]),
        ("peas 1 cup — rice 2 cups (long) — dill 6 stalks — salt", ["peas", "rice", "dill", "salt"]),
        ("Water — 2 cups", ["Water"]),
        ("Rice for salads gr. 400", ["Rice for salads"]),
    ],
)
def test_what_stands_between_things_parts_them(line: str, things: list[str]) -> None:
    got = items(line, Measures(), many=True)
    assert [i.name for i in got] == things


def test_the_unit_may_stand_first() -> None:
    [item] = items("Rice for salads gr. 400", Measures())
    assert (item.g, item.unit) == (400, "g")


def line(
    index: int, text: str, ml: float, fraction: float = 1.0, grain: str | None = None, kind: str = "water"
) -> Line:
    return Line(
        index,
        text,
        Span(0, 1),
        ml=ml,
        g=ml * 0.78 if grain else ml,
        grain=grain,
        fraction=0 if grain else fraction,
        kind=kind,
    )


def test_the_pot_drinks_what_its_grain_can_live_on() -> None:
    rice, milk, water = line(0, "rice", 256, grain="rice-white-long"), line(1, "milk", 118, 0.87), line(2, "water", 355)
    tagged = [("grain", 0.9), ("liquid", 0.9), ("other_pot", 0.6)]
    # the milk alone leaves it dry: the water is the pot's
    assert pours.choose([rice, milk, water], 0, tagged, [0.0, 0.9, 0.4], "") == {2: True}
    # with enough there already it stays where the words put it
    stock = line(1, "stock", 420, 0.98)
    assert pours.choose([rice, stock, water], 0, tagged, [0.0, 0.9, 0.3], "") == {}
    # what would drown it is left out, where the words are unsure themselves
    much = line(2, "water for the beans", 2400)
    drowned = [("grain", 0.9), ("liquid", 0.9), ("liquid", 0.55)]
    assert pours.choose([rice, stock, much], 0, drowned, [0.0, 0.9, 0.55], "") == {2: False}
    # a soup swims
    assert pours.choose([rice, stock, much], 0, drowned, [0.0, 0.9, 0.55], "soup") == {}


def test_water_told_by_its_sum() -> None:
    text = (
        "Saffron pan with peas\nServes 4\n2 cups long-grain rice\n1 (13.5 oz) can coconut milk\n1 cup peas\n1 tsp salt\n"
        "1. Pour the coconut milk into a jug and fill up with water to make 3 1/2 cups. Bring it to a boil with the salt.\n"
        "2. Add the rice, cover and simmer 15 minutes. Turn off, leave it alone 10. Stir in the peas."
    )
    recipe = read(text)
    assert recipe.liquid_water_ml == pytest.approx(3.5 * 237, rel=0.03)
    assert of(recipe, "rest") == [10]
    assert any(d.field == "water" for d in recipe.doubts), "the sum is taken, and asked"
    shifted = pipeline.whole_way(text, Choice("barley-pearl"))
    told = next(s["text"] for s in shifted["steps"] if "fill up with water" in (s["text"] or ""))
    assert "3 1/2 cups" not in told
    # the sum is no thing beside the milk and the water it is made of
    assert not any("to make" in i["text"] for i in shifted["ingredients"]), shifted["ingredients"]


def test_a_vessels_size_told_in_passing() -> None:
    text = (
        "Tomato pilaf\nOne mug of rice (the blue mug, it holds 300 ml)\ntwo mugs of water\n1 tsp salt\n"
        "Boil the water with the salt, add the rice, cover and cook on low 15 minutes. Plenty for four."
    )
    recipe = read(text)
    assert recipe.source_line is not None and recipe.source_line.ml == 300
    assert recipe.servings == 4


WAYS = (
    "Saffron pan with peas\nServes 4\n1 1/2 cups long-grain rice\n2 1/2 cups stock\n1 cup peas\n\n"
    "Stovetop\n1. Bring the stock to a boil, add the rice, cover and simmer 16 minutes. 2. Scatter the peas over, take off the heat and let stand, covered, 10 minutes.\n\n"
    "Microwave\n1. Put everything in a bowl and cook on full power 5 minutes, then on half power 15 minutes. Let stand 5 minutes.\n"
)


def test_one_way_or_another_is_one_recipe() -> None:
    recipe = read(WAYS)
    assert (recipe.simmer_min, recipe.rest_min, recipe.method) == (16, 10, "covered")
    assert [st.instead for st in recipe.steps] == [False, False, True]
    shifted = pipeline.whole_way(WAYS, Choice("quinoa"))
    assert shifted["laws"] == []
    other = next(s for s in shifted["steps"] if "full power" in (s["was"] or ""))
    assert other["text"] == "" and "Another way" in other["reason"]
    # rice to the same rice leaves it where it is
    same = pipeline.whole_way(WAYS, Choice("rice-white-long"))
    assert any("full power" in (s["text"] or "") for s in same["steps"])


def test_to_brown_is_no_colour() -> None:
    text = (
        "> Rice for Pat\n>\n> 1 cup rice\n> 1 tbsp oil\n> 2 cups hot water\n> 1 tsp salt\n>\n"
        "> Brown rice in oil (abt 5 min.). Add the water and salt. Cover, turn low\n> and cook 20 min.\n"
    )
    recipe = read(text)
    assert recipe.source_line is not None and recipe.source_line.grain != "rice-brown-long"
    assert len(recipe.steps) == 1 and recipe.simmer_min == 20


@pytest.mark.parametrize(
    ("title", "steps", "way"),
    [
        (
            "Microwave rice",
            "Rice, water and salt in the biggest bowl, no lid. High for 10 minutes. Plate over, 4 more. Stand 5.",
            "microwave",
        ),
        (
            "Chicken and leek rice",
            "Brown the chicken 5 minutes. Add rice and stock, bring to a boil. Cover tightly. Bake at 200°C for 30 minutes.",
            "oven",
        ),
        (
            "Beans and rice",
            "SAUTE: onion in oil 4 min. Rice, water, beans in, lid on, valve shut. HIGH 22 min. NR 10, then quick.",
            "electric-pressure",
        ),
        (
            "Mushroom rice",
            "Everything into the rice cooker, press cook. When finished steam 10 minutes more, then mix from the bottom.",
            "rice-cooker",
        ),
    ],
)
def test_the_way_is_where_the_minutes_are(title: str, steps: str, way: str) -> None:
    recipe = read(f"{title}\nServes 4\n\n1 cup long-grain rice\n1 3/4 cups water\n1/2 tsp salt\n\n{steps}\n")
    assert recipe.method == way
    if way == "rice-cooker":
        assert of(recipe, "rest") == [10] and not of(recipe, "heat")


def test_a_chat_without_stamps_is_read_without_its_speakers() -> None:
    chat = (
        "Wren: ginger broth porridge please\nTo: what do you have\nWren: jasmine rice 200 g\nWren: water 1.6 litres\nTo: ginger?\nWren: yes a thumb of ginger, salt 1 tsp\n"
        "Wren: boil the water with the ginger and the salt, add the rice\nWren: simmer on low 45 minutes, stir now and then\nWren: off the heat, leave it 5\n"
    )
    recipe = read(chat)
    assert recipe.source_line is not None and recipe.source_line.text.startswith("jasmine")
    assert not any("Wren:" in ln.text for ln in recipe.lines) and not any(
        st.text.startswith("Wren") for st in recipe.steps
    )
    # a label before an amount is no speaker
    card = read(
        "Saffron pan\nServes: 4\nRice: 2 cups\nStock: 3 cups\nPeas: 1 cup\n1. Boil the stock, add the rice, cover, simmer 16 minutes. Add the peas."
    )
    assert card.servings == 4 and card.source_line is not None


BEANS = (
    "Lentils with browned onions\nServes 4\n1 cup dried red kidney beans\n5 cups water\n2 cups long-grain rice\n1 tsp salt\n"
    "1. {soak}Boil the beans in the water for 1 hour.\n2. Add the rice and the salt, cover and simmer 18 minutes."
)


def test_beans_the_recipe_makes_ready_are_not_made_ready_twice() -> None:
    said = pipeline.whole_way(
        BEANS.format(soak="Soak the beans overnight, drain, throw that water away. "), Choice("barley-pearl")
    )
    assert not any("The day before" in (s["text"] or "") for s in said["steps"])
    unsaid = pipeline.whole_way(BEANS.format(soak=""), Choice("barley-pearl"))
    assert any("The day before" in (s["text"] or "") for s in unsaid["steps"])
    for made in (said, unsaid):
        assert any("bean" in c["code"] for c in made["cautions"]), "the caution stands either way"


def test_a_tin_is_opened_whole_and_its_water_counts() -> None:
    text = (
        "Tomato pilaf with chickpeas\nServes 4\n2 cups long-grain rice\n1 can (14 oz) beef broth\n2 cups water\n1 tsp salt\n"
        "1. Bring the broth, the water and the salt to a boil. Add the rice, cover and simmer 16 minutes. Turn off and leave 10 minutes."
    )
    made = pipeline.whole_way(text, Choice("barley-pearl"))
    lines = {i["was"]: i["text"] for i in made["ingredients"]}
    assert lines["1 can (14 oz) beef broth"] == "1 can (14 oz) beef broth"
    assert lines["2 cups water"] != "2 cups water"
    brought = [r for r in made["pots"][0]["ledger"] if r["term"] == "brought"]
    assert len(brought) == 1 and brought[0]["ml"] == pytest.approx(-397 * 0.98, abs=3)


def test_an_amount_that_comes_to_the_same_is_no_change() -> None:
    """597 ml for 592 are both two and a half cups: the line keeps its own words, and nothing is marked."""
    made = pipeline.whole_way(WAYS, Choice("foxtail-millet"))
    [stock] = [i for i in made["ingredients"] if "stock" in i["text"]]
    assert stock["text"] == stock["was"] == "2 1/2 cups stock" and stock["marks"] == [] and stock["because"] == ""
    # where it does change, it is said in the recipe's measure and marked
    [more] = [i for i in pipeline.whole_way(WAYS, Choice("barley-pearl"))["ingredients"] if "stock" in i["text"]]
    assert more["text"] != more["was"] and more["marks"]


def test_what_stands_after_the_dish_was_baked_is_no_second_rest_and_nothing_is_surer_than_sure() -> None:
    recipe = read(
        "Rice bake\nServes 4\n1 cup long-grain rice\n2 cups stock\n200 g cheese\n"
        "1. Bring the rice and the stock to the boil, cover, simmer 18 minutes. Take off the heat and rest, covered, 10 minutes.\n"
        "2. Tip into a dish, cheese on top, bake 20 minutes. Let stand 5 minutes.\n"
    )
    told = [(d.text, d.kind) for st in recipe.steps for d in st.durations]
    assert told[1] == ("10 minutes", "rest") and told[3][1] == "other" and recipe.rest_min == 10
    assert all(0 < d.sure <= 1 for st in recipe.steps for d in st.durations)
