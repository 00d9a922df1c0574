"""Recipes whose water is told by a sign and whose grain is cooked in two places: what a number copied from the rice would get wrong without a word."""

from __future__ import annotations

import re

import pytest

from mealshift.measures import jug_ml
from mealshift.planning.acts import acts_of
from mealshift.reading import read
from mealshift.shifting import Choice, Shift, laws, shift


def told(made: Shift) -> str:
    return "\n".join(s.text for s in made.method.steps if s.text)


def heats(text: str) -> list[tuple[float, float]]:
    return [(d.low, d.high) for s in read(text).steps for d in s.durations if d.kind == "heat"]


PAN = "Saffron pan with peas\nServes 4\n\nIngredients\n300 g basmati rice\n{water}\n1 tsp salt\n\nMethod\n{pour} Bring to the boil, cover and cook on low for 12 minutes. Rest off the heat for 10 minutes."


@pytest.mark.parametrize(
    ("water", "pour"),
    [
        ("water", "Put the rice in a pan and pour in water until it stands 2 cm above the rice."),
        ("water", "Put the rice in a pan and add water up to the first knuckle of your finger."),
        ("saffron", "Put the rice in a pan and cover with cold water by about an inch."),
        ("water to the 2 mark", "Put the rice in the pan and fill with water to the 2 mark."),
    ],
)
def test_a_sign_for_the_rices_water_becomes_the_new_grains_amount(water: str, pour: str) -> None:
    recipe = read(PAN.format(water=water, pour=pour))
    assert not recipe.liquid_water_ml
    assert "water" in {d.field for d in recipe.doubts}
    made = shift(recipe, Choice("barley-pearl"))
    amount = f"{jug_ml(made.pot.pour_ml)} ml"
    assert amount in made.method.steps[1].text or amount in told(made)
    assert sum(amount in line.text for line in made.lines) == 1
    for sign in ("2 cm", "knuckle", "inch", "2 mark"):
        assert sign not in told(made)
    assert not laws.broken(made)


def test_a_sign_for_the_soak_stays() -> None:
    text = PAN.format(
        water="500 ml water", pour="Soak the rice 30 minutes in water to cover by 2 cm; drain. Add the water."
    )
    assert "2 cm" in told(shift(read(text), Choice("quinoa")))


LAYERS = """Saffron pan with peas
Serves 4

Ingredients
300 g basmati rice
2 tbsp butter
200 g peas

Method
1. Bring 3 litres of salted water to a rolling boil, tip in the rice and boil for 6 minutes. Drain.
2. Melt the butter in the pan, spoon in layers of rice and peas, wrap the lid in a cloth, cover and cook over the lowest heat for 40 minutes.
3. Stand for 5 minutes, then turn out."""


@pytest.mark.parametrize(("to", "longer"), [("barley-pearl", True), ("quinoa", False)])
def test_grain_boiled_half_is_boiled_half_again_and_steamed_as_long(to: str, longer: bool) -> None:
    recipe = read(LAYERS)
    assert heats(LAYERS) == [(6, 6), (40, 40)]
    made = shift(recipe, Choice(to))
    boiled = next(s.text for s in made.method.steps if "rolling boil" in s.text)
    minutes = float(re.search(r"boil for (?:about )?(\d+)", boiled)[1])  # type: ignore[index]
    assert minutes > 10 if longer else 5 <= minutes <= 9
    assert "Look" not in boiled
    steamed = next(s.text for s in made.method.steps if "cloth" in s.text)
    assert "40 minutes" in steamed
    assert "Look: " in steamed
    assert "Then drain" not in told(made)


def test_rice_boiled_through_and_drained_is_looked_at_while_it_boils() -> None:
    text = LAYERS.replace("boil for 6 minutes", "boil for 12 minutes").replace("40 minutes", "5 minutes")
    made = shift(read(text), Choice("barley-pearl"))
    assert "Look: " in next(s.text for s in made.method.steps if "rolling boil" in s.text)
    assert "5 minutes" in next(s.text for s in made.method.steps if "cloth" in s.text)


PEPPERS = """Stuffed peppers
Serves 4

Ingredients
120 g long-grain rice
6 peppers, hollowed out
1 onion, chopped
400 g passata
300 ml stock

Method
Half-cook the rice: boil it in plenty of salted water for 8 minutes and drain. Fry the onion and mix it with the rice. Fill the peppers and stand them in a dish.
Pour the passata and the stock around them, cover with foil and bake at 180 C for 50 minutes."""


@pytest.mark.parametrize("to", ["bulgur-coarse", "barley-pearl", "rice-brown-long"])
def test_what_grain_is_filled_into_bakes_as_long_as_it_did(to: str) -> None:
    made = shift(read(PEPPERS), Choice(to))
    text = told(made)
    assert "for 50 minutes" in text
    assert "Look: inside one of them" in text
    assert "tilt the pot" not in text
    # the stock is the sauce's, and not what the grain was boiled in
    assert any(line.text == "300 ml stock" for line in made.lines)


TWO = """Stuffed peppers
Serves 6

Ingredients
60 g wild rice
120 g basmati rice
1 onion, chopped

Method
Cook the wild rice in plenty of boiling water for 45 minutes; drain.
In another pan, cook the basmati in 240 ml water, covered, for 12 minutes. Leave to stand for 5 minutes.
Combine everything with the onion."""


def test_each_of_two_rices_has_its_own_pot() -> None:
    recipe = read(TWO)
    assert recipe.source_line is not None and recipe.source_line.grain == "wild-rice"
    assert recipe.simmer_min == 45
    assert [ln.role for ln in recipe.lines if ln.ml == 240] == ["beside"]
    made = shift(recipe, Choice("barley-pearl"))
    assert "the basmati in 240 ml water, covered, for 12 minutes. Leave to stand for 5 minutes" in told(made)


def test_heating_up_again_is_neither_the_way_nor_its_minutes() -> None:
    text = PAN.format(water="500 ml water", pour="Put in the rice and the water.")
    text += " Reheat from frozen in the microwave, 3 minutes at 800 W."
    recipe = read(text)
    assert (recipe.method, recipe.simmer_min) == ("covered", 12)
    assert [d.kind for s in recipe.steps for d in s.durations if d.text.startswith("3 min")] == ["other"]


def test_minutes_counted_on_from_an_addition_are_added_up() -> None:
    text = (
        "Stirred mushroom rice\nServes 2\n\nIngredients\n160 g carnaroli rice\n700 ml vegetable stock\n200 g mushrooms\n\nMethod\n"
        "Toast the rice for 2 minutes. Add the stock a ladle at a time, stirring. After 10 minutes add the mushrooms. Carry on with stock for another 7 or 8 minutes. Off the heat, rest for 2 minutes."
    )
    assert read(text).simmer_min == 17.5


def test_a_heading_of_the_list_heads_no_step_of_another_dish() -> None:
    text = (
        "Lentils with browned onions\nServes 4\n\nIngredients\n200 g brown lentils\n1 onion\n800 ml water\n\nFor the rice:\n200 g long-grain rice\n400 ml water\n\nMethod\n"
        "Simmer the lentils in their water for 30 minutes. Brown the onion for 10 minutes.\nFor the rice, bring the water to the boil, add the rice, cover and cook on low 18 minutes; stand 5 minutes."
    )
    recipe = read(text)
    assert {s.section for s in recipe.steps} == {""}
    assert next(ln.role for ln in recipe.lines if "lentils" in ln.text) == "beside"
    assert recipe.simmer_min == 18


def test_a_tin_of_water_is_as_much_as_the_tin_held() -> None:
    text = (
        "Tomato pilaf\nServes 4\n\nIngredients\n1 tin (400 g) chopped tomatoes\n200 g basmati rice\n\nMethod\n"
        "Put the rice and tomatoes in a pan, fill the tin once with water and add it. Boil, cover, lowest heat 15 minutes. Off the heat, leave 10 minutes."
    )
    recipe = read(text)
    assert [ln.ml for ln in recipe.lines if ln.kind == "water"] == [400]
    made = shift(recipe, Choice("quinoa"))
    assert not re.search(r"fill the tin", told(made))
    assert not laws.broken(made)


def test_what_weighs_otherwise_than_it_measures_is_asked() -> None:
    text = PAN.format(water="500 ml water", pour="Put in the rice and the water.").replace(
        "300 g basmati rice", "1 cup (500 g) basmati rice"
    )
    assert "amount" in {d.field for d in read(text).doubts}


def test_one_line_between_bars_is_a_list() -> None:
    text = "Baked milk pudding\n¾ cup medium grain rice | 1½ cups water | 2 cups milk | ¼ tsp salt\nSimmer the rice in the water and milk for 30 minutes. Serves 4."
    recipe = read(text)
    assert recipe.source_line is not None
    assert round(recipe.source_line.g or 0) == 144
    assert len([ln for ln in recipe.lines if ln.fraction]) == 2


def test_a_pressure_cooker_on_the_stove_is_no_electric_one() -> None:
    text = (
        "Soft meal with mushrooms\nServes 4\n\nIngredients\n2 cups brown rice\n2½ cups water\n\nMethod\n"
        "Lock the lid, high heat till it comes to full pressure (15 psi). Reduce the heat to keep the pressure, 15 minutes. Remove from the heat, natural release about 10 minutes."
    )
    assert read(text).method == "pressure"


@pytest.mark.parametrize(("text", "afterwards"), [(LAYERS, 40), (PEPPERS, 50)])
def test_the_plan_has_both_cookings_and_the_work_between(text: str, afterwards: int) -> None:
    made = shift(read(text), Choice("barley-pearl"))
    acts = acts_of(made)
    assert acts.cooking.minutes is not None
    assert acts.cooking.minutes + afterwards == made.pot.cook_typical
    assert afterwards in [a.minutes for a in acts.after]
    drained = next(n for n, a in enumerate(acts.after) if "rain" in a.words)
    assert drained < next(n for n, a in enumerate(acts.after) if a.minutes == afterwards)


FISH = """Saffron pan with peas
Serves 2

Ingredients
150 g brown rice
400 ml water
200 g peas
300 g white fish

Method
Bring the rice and water to a simmer, cover and cook for 25 minutes. Stir in the peas. Lay the fish on top, cover again and cook for 7 minutes, until the fish flakes. Rest for 5 minutes."""


@pytest.mark.parametrize("to", ["quinoa", "little-millet", "bulgur-coarse", "barley-pearl"])
def test_raw_fish_keeps_its_minutes_however_quick_the_grain(to: str) -> None:
    made = shift(read(FISH), Choice(to))
    assert re.search(r"fish on top, cover again and cook for 7 minutes", told(made))
    assert not laws.broken(made)


@pytest.mark.parametrize("method", ["rice-cooker", "pressure", "electric-pressure", "drain", "microwave"])
def test_raw_fish_is_told_its_minutes_where_another_way_cooks_the_grain(method: str) -> None:
    text = told(shift(read(FISH), Choice("quinoa", method=method)))
    laid = text.index("fish on top")
    assert "74 °C" in text[laid:]
    assert "about 7 minutes" in text[laid:]
    assert "25 minutes" not in text


def test_smoked_fish_is_no_raw_fish() -> None:
    text = FISH.replace("white fish", "smoked mackerel")
    assert "74 °C" not in told(shift(read(text), Choice("quinoa", method="rice-cooker")))


NOTES = [
    ("Subject: the saffron pan\n\nHi,\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low. For 4.", "title", "the saffron pan"),
    ("Saffron pan\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low. Turn out like a cake. For 4.", "servings", 4),
    ("Saffron pan\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low. 4 bowls.", "servings", 4),
    ("Saffron pan\nYield: a 9x13\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low.", "servings", None),
    ("Saffron pan\nYield: one 9x13 pan\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low.", "servings", None),
    ("I had half an hour. For four, rinse 300 g basmati, put it in a pot with 600 ml water, boil, cover, 12 minutes on low. For two, halve it all.", "servings", 4),
    ("RECIPE CARD 9 - SAFFRON PAN     Portions: 20     Portion size: 180 g\n2 kg basmati rice\n4 l water\nBoil, cover, 12 minutes on low.", "servings", 20),
    ("Saffron pan\nServing size 1/4 cup dry\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low. Makes 4 servings.", "servings", 4),
    ("Saffron pan\nFür 4 Personen\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low.", "servings", 4),
    ("Saffron pan\nMakes 6 side-dish servings.\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low.", "servings", 6),
    ("Saffron pan\n1 cup basmati rice (I use a 250 ml mug)\n2 cups water\nBoil, cover, 12 minutes on low. Serves 4", "liquid_water_ml", 500),
    ("Saffron pan\n200 g basmati rice\n350 ml + 50 ml boiling water\nBoil, cover, 12 minutes on low. Serves 4", "liquid_water_ml", 400),
    ("Saffron pan\nmy tumbler is like 180 ml\n1 tumbler basmati rice\n2 and quarter tumblers water\nBoil, cover, 12 minutes on low. Serves 4", "liquid_water_ml", 405),
    ("Saffron pan\nServes 4\n200 g basmati rice\n400 ml water\nWash 3 times and leave it soaking half an hour. Boil, cover, 12 minutes on low.", "soak_min", 30),
    ("Saffron pan\nServes 4\n200 g basmati rice\n400 ml water\nBoil, cover, 12 minutes on low. Off, 10 min more, don't peek.", "rest_min", 10),
    ("Saffron pan\nServes 4\n200 g basmati rice\n400 ml water\nFry the rice in oil, stirring, until golden, 5 minutes. Add the water, boil, cover, 12 minutes on low.", "simmer_min", 12),
    ("Saffron pan\nServes 4\n200 g brown rice\n500 ml water\nBoil, lid on, in the oven 1 hour. Check at 50 minutes; add a splash if dry. Rest 10.", "simmer_min", 60),
    ("Saffron pan (rice cooker)\nServes 2\n1.5 rice cooker cups short grain rice\n270 ml water\nWash the rice, soak 30 minutes. Add the water. Cook on normal. When done, mix.", "method", "rice-cooker"),
    ("Saffron pan\nbasmati 3 cups | ghee 1/3 cup | whole spices | water 4 1/2 cups | salt 1 tbsp\nBoil, lid on, lowest heat 15 minutes. 8 ppl", "liquid_water_ml", 1066.5),
    ("Microwave saffron rice\nServes 3\n200 g basmati rice\n400 ml water\nCook uncovered on full power (650W) till boiling, about 8 mins. Cook on medium/low (50%) 10 mins. Stand 5 mins.", "method", "microwave"),
    ("Saffron pan\nCook 1.5 cups brown rice in the Instant Pot with 1.75 cups water, 22 min high, 10 NPR.\nMeanwhile fry 200 g peas 5 min and stir in the rice. For 4.", "simmer_min", 22),
    ("Saffron pan\nCook 1.5 cups brown rice in the Instant Pot with 1.75 cups water, 22 min high, 10 NPR.\nMeanwhile fry 200 g peas 5 min and stir in the rice. For 4.", "release_min", 10),
    ("Saffron pan\nServes 2\n175 g arborio\n600 ml stock\nStock in, lid on, lowest heat 15 minutes. Beat hard for a minute. Rest 2 mins.", "rest_min", 2),
]  # fmt: skip


@pytest.mark.parametrize(("text", "field", "want"), NOTES, ids=[n[1] + str(i) for i, n in enumerate(NOTES)])
def test_notes_as_they_are_written(text: str, field: str, want: object) -> None:
    assert getattr(read(text), field) == want


def test_steam_that_rises_is_no_rice_and_where_it_grew_goes_with_it() -> None:
    text = PAN.format(water="500 ml water", pour="Put in both rice and water and heat until steam rises.").replace(
        "300 g basmati rice", "300 g aged Japanese rice"
    )
    made = shift(read(text), Choice("quinoa"))
    assert "until steam rises" in told(made)
    assert [ln.text for ln in made.lines if ln.role == "source_grain"][0].endswith(" g quinoa")


def test_a_step_that_names_what_is_listed_is_no_note() -> None:
    text = (
        "Beetroot and dill salad\nServes 4\n\nIngredients\n200 g brown rice\n400 ml water\n3 beetroots\n1 bunch dill\n100 g walnuts\n\nMethod\n"
        "Boil the rice in the water, covered, for 30 minutes.\nRoast the beetroots at 200 C for 40 minutes.\nMassage the dill, divide among bowls with rice and walnuts.\n"
    )
    assert "Massage" in read(text).steps[-1].text


@pytest.mark.parametrize(
    ("line", "ml"),
    [("Ratio 1 : 1.5 rice to water by volume", 1.5 * 237), ("water - double the rice", 2 * 237), ("1 part rice to 2 parts water", 2 * 237), ("Water: 1½ times the rice", 1.5 * 237)],
)  # fmt: skip
def test_water_told_by_the_rice(line: str, ml: float) -> None:
    recipe = read(
        f"Saffron pan\nServes 4\n\nIngredients\n1 cup basmati rice\n{line}\n1 tsp salt\n\nMethod\n1. Boil the rice and the water, cover, cook 12 minutes on low. Rest 10 off the heat."
    )
    assert recipe.liquid_water_ml == pytest.approx(ml, abs=1)
    assert recipe.rest_min == 10
    made = shift(recipe, Choice("quinoa"))
    assert not laws.broken(made)
    assert sum(f"{jug_ml(made.pot.pour_ml)} ml" in ln.text for ln in made.lines) == 1


@pytest.mark.parametrize(
    ("line", "now"),
    [
        ("milk - same as the rice", "milk - 475 ml"),
        ("double the milk", "950 ml milk"),
        ("1½ times as much milk as rice", "710 ml milk"),
    ],
)
def test_milk_told_by_the_rice_has_an_amount_of_its_own(line: str, now: str) -> None:
    recipe = read(
        f"Baked milk pudding\nServes 4\n\nIngredients\n1 cup pudding rice\n2 cups water\n{line}\n1 tsp salt\n\nMethod\n1. Boil the rice in the water, covered, for 12 minutes.\n2. Add the milk and simmer 8 minutes more."
    )
    made = shift(recipe, Choice("quinoa", servings=8))
    assert now in [ln.text for ln in made.lines]


def test_water_told_by_the_rice_in_a_step_leaves_no_crumb() -> None:
    recipe = read(
        "Saffron pan\nServes 4\n\nIngredients\n1 cup basmati rice\n1 tsp salt\n\nMethod\n1. Put the rice in a pan with twice as much water as rice, cover and simmer for 12 minutes. Rest 10 off the heat."
    )
    made = shift(recipe, Choice("quinoa"))
    assert f"with {jug_ml(made.pot.pour_ml)} ml water, cover" in told(made)


@pytest.mark.parametrize("servings", [1, 4, 10, 40])
@pytest.mark.parametrize("slug", ["quinoa", "sorghum"])
def test_for_many_more_at_the_table_the_water_is_poured_once(servings: int, slug: str) -> None:
    text = "Saffron pan\nServes 2\n\nIngredients\n1 cup basmati rice\n500 ml water\n1 tsp salt\n\nMethod\n1. Boil the rice and the water, cover, cook 12 minutes on low."
    made = shift(read(text), Choice(slug, servings=servings))
    assert [ln.text for ln in made.lines if ln.role == "pot_liquid"] == [f"{jug_ml(made.pot.pour_ml)} ml water"]


def test_much_milk_and_the_water_beside_it_grow_together_for_a_thirsty_grain() -> None:
    text = "Baked milk pudding\nServes 4\n\nIngredients\n200 g short-grain rice\n400 ml milk\n200 ml water\n\nMethod\nPut the rice, milk and water in a pot, bring to a simmer, cover and cook for 20 minutes."
    made = shift(read(text), Choice("sorghum"))
    milk, water = (int(ln.text.split()[0]) for ln in made.lines if ln.role == "pot_liquid")
    # a milk pudding is not thinned: the milk stays twice the water
    assert milk > 400 and milk / water == pytest.approx(2, abs=0.1)
    assert abs(milk + water - jug_ml(made.pot.pour_ml)) <= 10
    assert not laws.broken(made)
