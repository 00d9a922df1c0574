"""By another way of cooking: the vessel's words in steps and title, and what nobody may read twice."""

from __future__ import annotations

import re

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift import pipeline
from mealshift.shifting import Choice
from mealshift.shifting.vessels import title_edits, vessel_edits
from mealshift.shifting.wording import apply
from mealshift.text import scans

# the step · the recipe's way · the way now · how it goes on
STEPS = [
    ("Mix it in a large roasting tin.", "oven", "rice-cooker", "Mix it in a rice cooker."),
    ("Spread it in an ovenproof dish.", "oven", "pressure", "Spread it in a pressure cooker."),
    ("Tip it in a baking dish.", "oven", "electric-pressure", "Tip it in an electric cooker."),
    ("Stir it into the dish.", "oven", "covered", "Stir it into the pot."),
    ("Butter a 20 cm dish.", "oven", "microwave", "Butter a deep microwave bowl."),
    ("Grease the casserole.", "oven", "soup", "Grease the pot."),
    # a dish that is eaten is no vessel
    ("This is a dish of plenty.", "oven", "covered", "This is a dish of plenty."),
    ("In a deep microwave safe bowl.", "microwave", "covered", "In a pot."),
    ("Put it in the bowl of the cooker.", "rice-cooker", "covered", "Put it in the pot."),
    ("Straight into rice cooker.", "rice-cooker", "covered", "Straight into the pot."),
    ("Turn the rice cooker on, add oil.", "rice-cooker", "open", "set the pot over medium heat, add oil."),
    # what is measured in it stays, and so does its setting
    ("Add 2 cooker cups.", "rice-cooker", "covered", "Add 2 cooker cups."),
    ("Cooker mein ghee.", "pressure", "covered", "Pot mein ghee."),
    ("An Instant Pot holds it.", "electric-pressure", "oven", "A baking dish holds it."),
    ("Set the Instant Pot to Sauté.", "electric-pressure", "covered", "Heat the pot over medium heat."),
    ("Press SAUTE (normal), add oil.", "electric-pressure", "oven", "Heat a pan over medium heat, add oil."),
    ("Hit Cancel. Add the broth.", "electric-pressure", "pressure", "Turn the heat off. Add the broth."),
    (
        "Brown it, 5 min. Cancel. Add broth.",
        "electric-pressure",
        "covered",
        "Brown it, 5 min. Turn the heat off. Add broth.",
    ),
    ("Set it aside and sauté the leeks.", "electric-pressure", "open", "Set it aside and sauté the leeks."),
    # a way that has no vessel of its own, and the same way, change nothing
    ("Cook it in a pot.", "covered", "oven", "Cook it in a pot."),
    ("In a roasting tin.", "oven", "oven", "In a roasting tin."),
]


@pytest.mark.parametrize(("step", "was", "now", "goes_on"), STEPS)
def test_the_vessel_is_called_by_the_new_way(step: str, was: str, now: str, goes_on: str) -> None:
    assert apply(step, vessel_edits(step, was, now)).text == goes_on


def test_only_the_place_that_is_asked_about_is_changed() -> None:
    text = "Roast the beets in a roasting tin. Mix the grain in a roasting tin."
    at = text.index("Mix")
    assert apply(text, vessel_edits(text, "oven", "covered", at)).text.endswith("in a pot.")
    assert apply(text, vessel_edits(text, "oven", "covered", 0, at)).text.endswith("in a roasting tin.")


@pytest.mark.parametrize(
    ("title", "left"),
    [
        ("Supper in the rice cooker", "Supper"),
        ("Microwaved saffron pan", "Saffron pan"),
        ("Oven-baked peppers", "Peppers"),
        ("sticky cakes, steamed", "sticky cakes"),
        ("Peppers from the oven, with dill", "Peppers, with dill"),
        ("Oven chips", "Oven chips"),
    ],
)
def test_a_title_does_not_name_the_vessel_that_was_left(title: str, left: str) -> None:
    assert apply(title, title_edits(title)).text == left


OVEN = "Oven-baked supper\nServes 4\n300 g long grain rice\n700 ml hot stock\n2 peppers\n1. Mix the rice and peppers in a large roasting tin. Pour over the stock.\n2. Cover with foil and bake for 40 minutes. Rest 5 minutes."


@pytest.mark.parametrize(
    ("method", "vessel"),
    [("covered", "a pot"), ("rice-cooker", "a rice cooker"), ("pressure", "a pressure cooker"), ("microwave", "a deep microwave bowl")],
)  # fmt: skip
def test_a_whole_recipe_goes_over_and_back_to_its_own_words(method: str, vessel: str) -> None:
    over = pipeline.whole_way(OVEN, Choice("barley-pearl", method=method))
    steps = " ".join(s["text"] for s in over["steps"])
    assert f"in {vessel}." in steps and "tin" not in steps and over["title"] == "Supper, in pearl barley"
    own = pipeline.whole_way(OVEN, Choice("barley-pearl"))
    assert "in a large roasting tin" in " ".join(s["text"] for s in own["steps"])
    assert own["title"] == "Oven-baked supper, in pearl barley"


WORDS = st.sampled_from(
    ["rice", "milk", "salt", "simmer", "minutes", "lemon", "water", "vinegar", "turn", "corn", "until", "cool"]
)


@given(st.lists(WORDS, min_size=1, max_size=12), st.sampled_from([",", ".", "\n", ""]))
@settings(max_examples=60, deadline=None)
def test_what_is_written_well_is_never_mended(words: list[str], stop: str) -> None:
    text = f"{stop} ".join(words)
    assert scans.mended(text) == text


@given(st.lists(WORDS, min_size=2, max_size=12))
@settings(max_examples=60, deadline=None)
def test_a_misread_page_is_the_page_again(words: list[str]) -> None:
    page = " ".join([*words, "melt", "turmeric"])
    # m as rn, and l as a capital I within a word: what a scan does
    scan = " ".join(w.replace("m", "rn") if w[0] == "m" else w[0] + w[1:].replace("l", "I") for w in page.split())
    assert scans.mended(scan) == page


@pytest.mark.parametrize("run", ["AlBlClDlElFlGlHl", "arnarnarn", "lilt", "1a", "xIy", "vv", "SOUPl", "b0i1"])
def test_no_run_of_letters_keeps_the_reader_long(run: str) -> None:
    # each that may stand for two doubles what is tried: so many, and the word is left as it is
    assert len(list(scans._others(run * 6))) < 4000
    assert scans.mended(run * 200) and scans.mended(f"{run} " * 2000)


CLOSED = """Rice with peas
Serves 4

Ingredients
1 onion, chopped
2 tbsp butter
300 g basmati rice
600 ml hot stock
150 g cooked peas

Method
1. Soften the onion in the butter, 6 minutes. Wash the rice.
2. {told}
3. Stir through the peas and serve.
"""
RAINS = "Bring the liquid to the boil (4 min), rain in the millet grits in a thin stream, stirring all the while; lowest heat"
# how the recipe tells its own vessel; how quinoa goes into a pot instead, and how a meal does, which is rained in
TOLD = (
    ("Put rice and stock in the rice cooker, set to white rice and start. Keep on warm 10 minutes.", "Put quinoa and stock in the pot. The quinoa: to the boil", "Put millet grits (not yet) and stock in the pot."),
    ("Tip everything into your rice cooker, hit start, and when it beeps let it sit for 10 minutes.", "Tip everything into your pot. The quinoa: to the boil", "Tip everything but the millet grits into your pot."),
    ("Rice cooker: rice + stock, normal cycle (40 minutes).", "Pot: quinoa + stock. The quinoa: to the boil", "Pot: millet grits (not yet) + stock."),
    ("Put in a microwave-safe bowl with the stock, cover with a plate, 12 minutes on high, leave 5 minutes.", "Put in a pot with the stock. The quinoa: to the boil", "Put in a pot with the stock."),
    ("Put in the slow cooker with the stock, high 2 hours.", "Put in the pot with the stock. The quinoa: to the boil", "Put in the pot with the stock."),
    ("Add the rice and the stock. Everything in the dish, foil on, 1 hour at 180.", "Everything in the pot. The quinoa: to the boil", "Add the millet grits (not yet) and the stock. Everything in the pot."),
)  # fmt: skip


@pytest.mark.parametrize(("told", "quinoa", "meal"), TOLD)
def test_what_was_closed_goes_into_a_pot(told: str, quinoa: str, meal: str) -> None:
    text = CLOSED.format(told=told)
    for slug, want in (("quinoa", quinoa), ("millet-grits", f"{meal} {RAINS}")):
        made = pipeline.whole_way(text, Choice(slug, method="covered"))
        steps = " ".join(s["text"] for s in made["steps"])
        assert want in steps and made["laws"] == []
        # no key of it is left
        assert not re.search(r"cooker|microwave|\bstart\b|\bset to|cycle|beeps|\bhigh\b|2 hours|180", steps)


def test_a_key_of_the_cooker_keeps_its_name() -> None:
    made = pipeline.whole_way(CLOSED.format(told=TOLD[0][0]), Choice("quinoa"))
    assert "in the rice cooker, set to white rice and start." in made["steps"][1]["text"]


def test_a_meal_that_was_boiled_and_drained_leaves_nothing_to_drain() -> None:
    told = "Bring a large pan of salted water to the boil, tip in the rice and boil for 12 minutes; drain in a sieve and leave to steam dry for 5 minutes."
    made = pipeline.whole_way(CLOSED.format(told=told).replace("600 ml hot stock\n", ""), Choice("millet-grits"))
    steps = " ".join(s["text"] for s in made["steps"])
    assert "rain in the 285 g of millet grits" in steps and not re.search(r"drain|sieve|steam dry", steps)


def test_a_soak_that_is_none_leaves_no_water_to_cover_it() -> None:
    told = "Put the rice in a bowl, cover with cold water and forget it for half an hour. Drain. Add the rice and the stock to the onion, boil, cover and simmer 15 minutes."
    made = pipeline.whole_way(CLOSED.format(told=told), Choice("millet-grits"))
    steps = " ".join(s["text"] for s in made["steps"])
    assert not re.search(r"cold water|\bbowl\b|half an hour|Drain", steps) and "Add the millet grits (not yet)" in steps


def test_the_vessel_of_the_grains_minutes_holds_the_grain() -> None:
    # nobody says how it came into the bowl
    read = pipeline.read_once(CLOSED.format(told="Put in a bowl with the stock, microwave 12 minutes on high."))
    pots = {v.id for v in read.process.vessels if v.grain}
    assert {o.vessel for o in read.process.operations if o.phase == "heat"} <= pots
