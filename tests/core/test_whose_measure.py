"""Whose cup, whose bracket, which pint: the amounts a recipe says in vessels of its own, read and said again."""

from __future__ import annotations

import re
from dataclasses import replace

import pytest

from mealshift import pipeline
from mealshift.measures import Measures
from mealshift.pot import Kitchen
from mealshift.reading import read
from mealshift.reading.own_measures import own_measures
from mealshift.shifting import Choice, laws, shift

STEPS = "\nBring to the boil, cover and simmer 15 minutes. Take off the heat and let stand, covered, 5 minutes.\n"


def pilaf(*lines: str) -> str:
    return "\n".join(["Saffron pan with peas", "Serves 4", *lines, STEPS])


@pytest.mark.parametrize(
    ("line", "ml", "g"),
    [
        # the bracket says the whole once more
        ("1½ cups (300 g) rice", 356, 300),
        ("1¼ cups (250g) rice", 296, 250),
        ("2 mugs (400 ml) rice", 400, 312),
        # or what one of them holds, where the whole cannot be meant
        ("2 cups (200 g) rice", 474, 400),
        ("2 cups (250 ml) rice", 500, 390),
        # … and a scale knows better than a guess what a katori holds
        ("3 katori (150 g) rice", 577, 450),
        ("2 glasses (200 ml glass) rice", 400, 312),
        ("1½ cups (200 g each) rice", 356, 300),
        # or something else
        ("1 cup uncooked rice (makes about 3 cups cooked)", 237, 185),
        ("4 and a half cups rice", 1066, 832),
    ],
)
def test_what_a_bracket_says(line: str, ml: float, g: float) -> None:
    found = read(pilaf(line, "3 cups water")).source_line
    assert found is not None
    assert (round(found.ml or 0), round(found.g or 0)) == (pytest.approx(ml, abs=1), pytest.approx(g, abs=1))


@pytest.mark.parametrize(
    ("words", "pint_ml"),
    [("2 tins of tomatoes, on the hob, gas mark 4", 568), ("1 stick of butter in a skillet, 350°F", 473), ("", 568)],
)
def test_a_pint_is_of_the_side_of_the_sea_its_recipe_is_from(words: str, pint_ml: float) -> None:
    recipe = read(pilaf("200 g long-grain rice", "1 pint water", words))
    assert next(ln.ml for ln in recipe.lines if "pint" in ln.text) == pint_ml


def test_each_line_goes_on_in_the_vessel_it_was_measured_in() -> None:
    text = pilaf("2 coffee cups long-grain rice (my coffee cup = 80 ml)", "1 1/2 glasses water (200 ml glass)")
    for slug in ("barley-pearl", "quinoa"):
        made = shift(read(text), Choice(slug))
        water = next(ln for ln in made.lines if ln.role == "pot_liquid")
        said = read(pilaf("160 ml rice", water.text)).liquid_water_ml
        assert said == pytest.approx(made.pot.pour_ml, rel=0.1)
        assert "coffee cups" in next(ln.text for ln in made.lines if ln.role == "source_grain")
        assert not laws.broken(made)


def test_the_poster_says_what_the_list_says_in_the_recipes_own_cup() -> None:
    """The household's cup is another: 237 ml, its glass 240."""
    made = pipeline.whole_way(
        pilaf("2 cups (1 cup = 180 ml) long-grain rice", "3 cups water"), Choice("quinoa", kitchen=Kitchen())
    )
    said = made["pots"][0]["water"]["pour_said"]
    assert said["amount"] * 180 == pytest.approx(made["pots"][0]["water"]["pour_ml"], rel=0.06)
    [listed] = [i["text"] for i in made["ingredients"] if i["role"] == "pot_liquid"]
    assert read(pilaf("2 cups (1 cup = 180 ml) rice", listed)).liquid_water_ml == pytest.approx(
        said["amount"] * 180, rel=0.01
    )


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("1 cup (185 g) rice", "1 cup (171 g) quinoa"),
        ("Rice 3 glass = 555 gm", "Quinoa 3 glass = 518 g"),
        ("1½ cups (300 g / 10½ oz) rice", "1½ cups (256 g) quinoa"),
        ("250g/9oz rice", "231 g quinoa"),
    ],
)
def test_a_second_weight_is_no_old_one(line: str, said: str) -> None:
    made = shift(read(pilaf(line, "3 cups water")), Choice("quinoa"))
    assert next(ln.text for ln in made.lines if ln.role == "source_grain") == said


@pytest.mark.parametrize(
    "line",
    ["2 cups (480 ml) water", "400ml/14fl oz water", "3 cups = 700 ml water", "2 cups (480 ml / 16 fl oz) stock"],
)
def test_a_second_volume_is_no_old_one(line: str) -> None:
    made = shift(read(pilaf("1 cup rice", line)), Choice("barley-pearl"))
    [new] = [ln.text for ln in made.lines if ln.role == "pot_liquid"]
    assert read(pilaf("1 cup rice", new)).liquid_water_ml == pytest.approx(made.pot.pour_ml, rel=0.07)
    assert not re.search(r"480|14|16|\b700\b", new)


def test_half_a_cup_more_is_no_unit() -> None:
    made = pipeline.whole_way(
        "Tomato pilaf\nServes 4\n\nWash one and a half cups of rice. Put it on with three and a half cups of cold water, bring to the boil and simmer 18 minutes with the lid on. Stand 5 minutes.\n",
        Choice("barley-pearl"),
    )
    assert "5 cups of cold water" in " ".join(s["text"] for s in made["steps"])


def test_a_list_that_pours_another_amount_than_the_jug_is_said() -> None:
    made = shift(read(pilaf("1 cup long-grain rice", "2 cups water")), Choice("barley-pearl"))
    assert not laws.broken(made)
    drowned = [replace(ln, text="9 cups water") if ln.role == "pot_liquid" else ln for ln in made.lines]
    assert [b.law for b in laws.broken(replace(made, lines=tuple(drowned)))] == ["water"]


def test_the_broth_is_what_is_measured_of_it() -> None:
    text = (
        "Ginger broth porridge\nServes 4\n1 chicken\n3 litres water\n150 g rice\n"
        "1. Simmer the chicken in the water for 1 hour. Lift it out and strain the broth. You want 1.5 litres of it, top up with water if short.\n"
        "2. Add the rice and simmer 40 minutes, stirring. Turn off and let it sit 10 minutes.\n"
    )
    assert read(text).liquid_water_ml == pytest.approx(1500, rel=0.03)


def test_what_is_told_not_to_be_done_is_not_done() -> None:
    kinds = [o.kind for o in read(pilaf("1 cup rice", "2 cups water", "")).process.operations]
    assert "drain" not in kinds
    text = pilaf("1 cup rice", "2 cups water").replace("simmer 15 minutes", "simmer 15 minutes, and don't drain it")
    assert "drain" not in [o.kind for o in read(text).process.operations]


def test_a_word_cut_by_the_page_is_whole_and_a_running_head_is_no_step() -> None:
    text = (
        "THE LITTLE BOOK                                    46\nLentils with browned onions\nServes 4\nINGREDIENTS\n200 g long-grain rice\n400 ml water\n100 g brown lentils\nMETHOD\n"
        "1  Boil the lentils in unsalted wa-\nter for 15 minutes; they should\nkeep a bite. Drain them well.\n"
        "47                                  THE LITTLE BOOK\n"
        "2  Bring the rice and the water to\na boil in a large pan, cover it\nand simmer for 15 to 17 min-\nutes until the rice is tender.\n"
        "3  Leave to stand for 10 minutes.\n"
    )
    recipe = read(text)
    assert len(recipe.steps) == 3
    assert recipe.simmer_min == 16
    assert "water for 15" in " ".join(recipe.steps[0].text.split())


def test_what_only_the_steps_name_is_known_from_a_dictionary() -> None:
    text = (
        pilaf("1 cup rice", "2 cups water")
        .replace("Bring to", "Fry the pistachios. Bring to")
        .replace("5 minutes.", "5 minutes. Fold in the watercress.")
    )
    names = " ".join(ln.text for ln in read(text).lines)
    assert "watercress" in names
    assert "pistachios" in names


@pytest.mark.parametrize(
    ("told", "measure_ml", "cup_ml"),
    [
        ("1 mug = 320 ml", 320, 237),
        ("(my cup holds 250 ml)", 240, 250),
        ("a 200 ml glass", 200, 237),
        ("3 mugs = 750 ml", 250, 237),
        ("2 mugs of rice (mug = half a litre)", 500, 237),
        ("1 pot = 1500 ml", 1500, 237),
        ("The mug holds 2 litres.", 240, 237),
        ("1 mug = 300 g", 240, 237),
        ("1 mug = 12 ml", 240, 237),
        ("The mug is about 10 oz.", 295.7, 237),
        ("The blue mug, it holds a cup and a half.", 355.5, 237),
        ("(pot = the small steel milk pot, quarter litre)", 250, 237),
        ("A mug of rice, about 195 g. Two of water, same mug.", 250, 237),
        ("A mug of rice, about 195 g. Two of water, same glass.", 240, 237),
        ("A mug of rice, about 20 g. Two of water, same mug.", 240, 237),
        ("2 cups rice, then water to the 2 line. Press cook.", 240, 180),
        ("2 cups rice, then water to the 2 line of the jug.", 240, 237),
        ("Which cup? the one that came with it. It's a rice cooker.", 240, 180),
        ("Which cup? the one that came with the jug.", 240, 237),
        ("2 rice cooker cups of rice, 2 US cups of stock", 240, 237),
        # two vessels, each beside its own size
        ("1 glass = 180 ml\nStir well, and again.\n1 cup = 250 ml", 180, 250),
        # a size without a vessel beside it, and a vessel without a size
        ("Add 320 ml of stock.\n" + "Stir well, and again. " * 6 + "\nServe in a mug.", 240, 237),
    ],
)
def test_a_vessel_has_the_size_that_stands_beside_it(told: str, measure_ml: float, cup_ml: float) -> None:
    found = own_measures(told, Measures(cup_ml=237.0, measure_ml=240.0))

    assert (round(found.measure_ml, 1), round(found.cup_ml, 1)) == (measure_ml, cup_ml)


CUPS = (
    ("All cups are metric (250 ml).", 250),
    ("I use a metric cup (250 ml).", 250),
    ("Cup used: 250 ml.", 250),
    ("Cup size 250ml", 250),
    ("We use a standard 250 ml measuring cup here.", 250),
    ("Australian cups (250 ml) used.", 250),
    ("1 cup: 240 ml", 240),
    ("I measure with a tea cup that holds 200 ml.", 200),
    ("Japanese cup, 200 ml.", 200),
    ("The cup I use is a small one, about 200 ml.", 200),
    ("Cups: 250ml, spoons: 15ml", 250),
    ("1 cup (250ml), 1 tbsp (15ml)", 250),
    ("A cup here means 250 ml.", 250),
    # what is eaten from it is another cup
    ("Makes four 250 ml cups of soup.", 237),
    ("Serve with a 250 ml cup of yoghurt each.", 237),
    ("A cup of this has 60 ml of cream in it.", 237),
)


@pytest.mark.parametrize(("said", "ml"), CUPS)
def test_what_a_text_says_of_its_cup(said: str, ml: float) -> None:
    # also where the number before it is of those that eat
    for text in (pilaf(said, "1 cup rice", "2 cups water"), pilaf("1 cup rice", "2 cups water") + said):
        found = read(text).source_line
        assert found is not None and round(found.ml or 0) == ml
