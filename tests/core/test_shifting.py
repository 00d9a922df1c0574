"""A recipe in, the shifted recipe out, side by side."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.grains import all_grains
from mealshift.pot import Factors, Kitchen
from mealshift.problems import Refusal
from mealshift.writing import to_text

from .kitchen import DEMO_FILES, demo, ingredients, report, shifted, steps

PLAIN = """Plain pot
Serves 4

Ingredients
2 cups long-grain rice
3 1/2 cups water
1 tsp salt

Method
1. Rinse the rice. Bring the 3 1/2 cups water and the salt to the boil and add the rice.
2. Cover and simmer for 10 minutes. Add the peas and cook 6 minutes more.
3. Rest for 10 minutes. At minute 4 you may look once.
"""


@pytest.mark.parametrize("file", DEMO_FILES, ids=lambda f: f.name[:2])
def test_rice_to_the_same_rice_gives_the_recipe_back(file) -> None:
    text = file.read_text(encoding="utf-8")
    own = shifted(text, "quinoa").own.grain.slug
    data = report(text, own)
    assert data["title"] == data["from"]["was_title"]
    assert [(i["text"], i["marks"]) for i in data["ingredients"]] == [(i["was"], []) for i in data["ingredients"]]
    assert [(s["text"], s["marks"]) for s in data["steps"]] == [(s["was"], []) for s in data["steps"]]


def test_a_pilaf_in_foxtail_millet() -> None:
    data = report(demo("01"), "foxtail-millet")
    assert data["title"] == "Tomato pilaf with chickpeas, in foxtail millet"
    assert ingredients(data) == [
        "308 g foxtail millet, rinsed",
        "1 tin chopped tomatoes (400 g)",
        "330 ml vegetable stock",
        "1 tin (400 g) chickpeas, drained",
        "1 onion, chopped",
        "2 tbsp olive oil",
        "2 bay leaves",
        "1 tsp salt",
        "1 small bunch parsley",
    ]
    assert (
        steps(data)[0]
        == "Soften the onion in the oil with the bay leaves for 8 minutes. Stir in the millet for 2 minutes."
    )
    assert steps(data)[1].startswith(
        "Add the tomatoes, stock and salt, bring to the boil, cover and simmer on the lowest heat for 14 minutes. "
        "The chickpeas go in for the last 5 minutes. Look: no water when you tilt the pot; the yellow grain has opened"
    )
    told = [(x["what"], x["min"]) for x in data["strip"]]
    assert told == [("fry", 8), ("toast", 2), ("to the boil", 3), ("simmer", 14), ("rest", 10)]
    assert next(x for x in data["strip"] if x["kind"] == "cook")["at"] == [{"what": "chickpeas", "minute": 9}]


@pytest.mark.parametrize(
    ("source", "to"),
    [
        ("long-grain rice", "quinoa"),
        ("quinoa", "long-grain rice"),
        ("quinoa", "pearl barley"),
        ("coarse bulgur", "basmati rice"),
        ("coarse maize meal", "rice grits"),
    ],
)
def test_any_direction_and_back_again_is_where_it_began(source: str, to: str) -> None:
    """There and back: the water of the first recipe within the rounding of its own words."""
    slugs = {a: g.slug for g in all_grains() for a in g.aliases}
    there = report(
        PLAIN.replace("long-grain rice", source).replace(
            "rice", source.split()[-1] if source.endswith("rice") else source
        ),
        slugs[to],
    )
    back = report(to_text(there), slugs[source])
    assert back["pots"][0]["water"]["pour_ml"] == pytest.approx(3.5 * 237, rel=0.06)


def test_whistles_are_counted_anew() -> None:
    text = "Whistle pot\n\nIngredients\n1 cup raw rice\n2 1/2 cups water\n\nMethod\n1. Cook the rice in the water in a pressure cooker for 3 whistles. Let the pressure fall."
    data = report(text, "rice-brown-long")
    assert "in a pressure cooker for 6 whistles" in steps(data)[1] and data["pots"][0]["method"] == "pressure"


def test_what_is_not_the_grains_keeps_its_amount_unless_the_plates_change() -> None:
    said = {i["was"]: i["text"] for i in report(demo("06"), "little-millet", texture="moist")["ingredients"]}
    assert said["3 tbsp olive oil"] == "3 tbsp olive oil" and said["1 red pepper, sliced"] == "1 red pepper, sliced"
    more = {i["was"]: i["text"] for i in report(demo("06"), "little-millet", servings=8.0)["ingredients"]}
    assert more["3 tbsp olive oil"] == "6 tbsp olive oil"


def test_a_recipe_in_prose_is_rewritten_in_its_sentences() -> None:
    text = "Spinach pot, feeds 2\nTake one mug of brown rice and wash it. Add two mugs of water, bring to the boil, cover and cook for 38 minutes. Leave 10 minutes."
    data = report(text, "barley-pearl")
    assert "Take one mug of pearl barley and wash it. Add 2¼ mugs of water" in steps(data)[0]


def test_a_household_measure_stays_in_its_own_words() -> None:
    data = report(demo("03"), "little-millet")
    assert ingredients(data)[:2] == ["little millet: 1 glass", "chicken stock: 8 glasses"]


def test_what_is_near_to_the_recipes_own_pour_is_poured_and_not_where_the_notebook_knows_better() -> None:
    """ "1 litre" does not become 1.03, but what a household's pots have taught is not lost, nor another texture."""
    text = "Plain pot\n300 g basmati rice\n{} ml water\nBring all to the boil, cover and simmer 12 minutes. Rest 10 minutes off the heat."
    pours = {n: shifted(text.format(n), "couscous-pearl").pot.pour_ml for n in range(400, 520, 10)}
    near = [n for n, ml in pours.items() if ml == n]
    assert near and all(abs(ml - n) > 0.04 * n for n, ml in pours.items() if ml != n)
    for n in near:
        assert shifted(text.format(n), "couscous-pearl", factors=Factors(water=1.06)).pot.pour_ml != n
        assert shifted(text.format(n), "couscous-pearl", texture=1.2).pot.pour_ml != n


def test_minutes_from_both_ends_keep_their_distance_from_the_end() -> None:
    """Black rice takes twice as long; the peas still get 6 minutes and the look at minute 4 of 16 is 12 before the end."""
    data = report(PLAIN, "rice-black")
    minutes = data["pots"][0]["time"]["cook"]["typical"]
    assert f"Cover and simmer for {minutes - 6} minutes. Add the peas and cook 6 minutes more. Look: " in " ".join(
        steps(data)
    )
    assert f"At minute {minutes - 12} you may look once." in " ".join(steps(data))


def test_amounts_in_steps_and_in_the_list_agree() -> None:
    data = report(PLAIN, "barley-pearl")
    cups = next(i["text"] for i in data["ingredients"] if "water" in i["text"]).removesuffix(" water")
    assert cups != "3 1/2 cups" and f"Bring the {cups} water" in " ".join(steps(data))


def test_a_meal_is_rained_in_and_never_rinsed() -> None:
    data = report(demo("10"), "maize-meal-coarse")
    assert any("rain in the maize meal" in s for s in steps(data))
    assert not any("insed" in s or "inse the" in s for s in steps(data))
    assert ingredients(data)[0] == "2 cups coarse maize meal"


def test_grain_from_cooked_rice_goes_back_to_dry_and_is_cooked_first() -> None:
    data = report(demo("09"), "quinoa")
    assert ingredients(data)[0] == "189 g quinoa"
    assert [s["kind"] for s in data["steps"]][:4] == ["rinse", "cook", "look", "rest"]
    assert data["pots"][0]["yield"]["g"] == 500


def test_a_soak_is_inserted_kept_or_retired() -> None:
    soaked = report(demo("01"), "foxtail-millet", soak_min=30.0)
    assert any(s["kind"] == "soak" for s in soaked["steps"])
    assert soaked["pots"][0]["soak"]["uptake_ml"] > 60
    assert "soak it in cold water for 30 minutes" in " ".join(steps(report(demo("05"), "barley-pearl")))
    none = report(demo("05"), "barley-pearl", soak_min=0.0)
    assert steps(none)[0].startswith("Rinse the barley") and not any("soak" in s for s in steps(none))


def test_milk_carries_the_change_where_there_is_hardly_any_water() -> None:
    wet = "Pot\n\nIngredients\n100 g basmati rice\n400 ml milk\n\nMethod\n1. Cover and simmer the rice in the milk for 13 minutes."
    data = report(wet, "barley-pearl")
    water = data["pots"][0]["water"]
    assert water["of"] == "milk" and water["pour_ml"] > 400
    assert (
        next(i["text"] for i in data["ingredients"] if "milk" in i["text"])
        == f"{round(water['pour_ml'] / 5) * 5} ml milk"
    )


def test_a_liquid_that_already_covers_the_need_is_named() -> None:
    wet = "Pot\n\nIngredients\n100 g basmati rice\n900 ml passata\n\nMethod\n1. Cover and simmer the rice in the passata for 13 minutes."
    data = report(wet, "bulgur-fine")
    pot = data["pots"][0]
    assert pot["water"]["pour_ml"] == 0 and any(r["term"] == "excess" for r in pot["ledger"])
    assert any(p["code"] == "excess" for p in data["problems"])


def test_more_at_the_table_redoes_the_water() -> None:
    four, eight = report(PLAIN, "quinoa"), report(PLAIN, "quinoa", servings=8)
    assert eight["pots"][0]["dry"]["ml"] == 2 * four["pots"][0]["dry"]["ml"]
    assert eight["pots"][0]["water"]["pour_ml"] < 2 * four["pots"][0]["water"]["pour_ml"]
    assert ingredients(eight)[0] == "4 cups quinoa"


def test_amount_policies() -> None:
    dry = {
        keep: report(PLAIN, "little-millet", keep=keep, texture="moist")["pots"][0]
        for keep in ("volume", "weight", "plates")
    }
    assert dry["volume"]["dry"]["ml"] == 474
    assert dry["weight"]["dry"]["g"] == pytest.approx(370, abs=1)
    source = shifted(PLAIN, "little-millet").own.pot
    assert dry["plates"]["yield"]["ml"] == pytest.approx(source.cooked_ml, rel=0.01)


def test_habits_beyond_a_quarter_are_asked() -> None:
    soupy = PLAIN.replace("3 1/2 cups", "6 cups")
    asked = [p for p in report(soupy, "quinoa")["problems"] if p["code"] == "water_habit"]
    assert asked and "more than fluffy long-grain white rice needs" in asked[0]["text"]
    short = PLAIN.replace("long-grain rice", "brown rice")
    assert {"implausible_minutes"} <= {p["code"] for p in report(short, "quinoa")["problems"]}


def test_gluten_is_said_where_it_is_brought_in() -> None:
    codes = {c["code"] for c in report(PLAIN, "bulgur-coarse")["cautions"]}
    assert {"gluten_in", "cooling", "steam"} <= codes
    assert "gluten_in" not in {
        c["code"] for c in report(demo("03"), "bulgur-coarse")["cautions"]
    }  # soy sauce brought it already
    warm = report(PLAIN, "rice-brown-long", soak_min=480.0, kitchen=Kitchen(room_c=28))
    assert "soak_warm" in {c["code"] for c in warm["cautions"]}


def test_the_allergens_and_whole_spices_are_carried_through() -> None:
    data = report(demo("05"), "quinoa")
    assert "milk, nuts" in next(c["text"] for c in data["cautions"] if c["code"] == "allergens")
    assert report(demo("01"), "quinoa")["count_out"] == ["2 bay leaves"]


@pytest.mark.parametrize(
    ("choice", "says"),
    [
        ({"to": "rice-risotto", "texture": "separate"}, "does not cook to separate"),
        ({"to": "couscous", "soak_min": 30.0}, "not soaked ahead"),
        ({"to": "quinoa", "method": "open", "lid": "sealed"}, "open pan has no sealed lid"),
        ({"to": "quinoa", "soak_min": 43200.0}, "between none and 24 hours"),
        ({"to": "quinoa", "servings": -3}, "1 to 60 people"),
        ({"to": "quinoa", "keep": "colour"}, "choose volume, weight or plates"),
        ({"to": "dust"}, "no grain"),
    ],
)
def test_a_choice_that_cannot_be_is_refused(choice: dict, says: str) -> None:
    with pytest.raises(Refusal, match=says):
        shifted(PLAIN, **choice)


@settings(max_examples=80, deadline=None)
@given(
    st.sampled_from(DEMO_FILES),
    st.sampled_from(all_grains()),
    st.sampled_from(["volume", "weight", "plates"]),
    st.sampled_from([None, 1, 2, 9]),
    st.sampled_from([0.0, 45.0]),
)
def test_every_grain_in_every_dish_sums_and_loses_nothing(file, g, keep, servings, soak) -> None:
    text = file.read_text(encoding="utf-8")
    s = shifted(text, g.slug, keep=keep, servings=servings, soak_min=soak if g.soak else None)
    data = report(text, g.slug, keep=keep, servings=servings, soak_min=soak if g.soak else None)
    for p in data["pots"]:
        assert sum(r["ml"] for r in p["ledger"]) == p["water"]["pour_ml"] >= 0
        assert sum(r["min"] for r in p["time_ledger"]) == p["time"]["total_min"]
    was = [i["was"] for i in data["ingredients"]]
    assert all(ln.text in was for ln in s.recipe.lines)
    assert [st_["was"] for st_ in data["steps"] if st_["was"] is not None] == [x.text for x in s.recipe.steps]
    for part in (*data["ingredients"], *data["steps"]):
        assert all(0 <= a < b <= len(part["text"]) for a, b in part["marks"])
