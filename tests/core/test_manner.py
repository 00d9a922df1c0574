"""Cups or grams, °C or °F, 24 hours or 12: what is said changes, what is cooked does not."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from mealshift import cautions, keeping, pipeline
from mealshift.manner import Manner
from mealshift.pot import Kitchen
from mealshift.problems import Refusal
from mealshift.shifting import Choice, laws, shift

from .test_laws import SLUGS, TEXTS

METRIC, CUPS, BOTH = Manner("metric", "C"), Manner("cups", "F", 12), Manner("both")


@pytest.mark.parametrize(
    ("written", "metric", "cups", "both"),
    [
        ("2 1/4 cups stock", "530 ml stock", "2 1/4 cups stock", "2 1/4 cups (530 ml) stock"),
        ("2 cups (480 ml) water", "480 ml water", "2 cups water", "2 cups (480 ml) water"),
        ("2¾ c. water", "650 ml water", "2¾ c. water", "2¾ c. (650 ml) water"),
        ("oven at 180 c", *["oven at 180 c"] * 3),
        ("250 g/9 oz peas", "250 g peas", "9 oz peas", "250 g/9 oz peas"),
        ("1 (15-oz) tin beans", "1 (430 g) tin beans", "1 (15-oz) tin beans", "1 (15-oz / 430 g) tin beans"),
        ("1 lb 3 oz beetroot", "540 g beetroot", "1 lb 3 oz beetroot", "1 lb 3 oz (540 g) beetroot"),
        ("500 ml milk", "500 ml milk", "2 cups plus 2 tbsp milk", "500 ml (2 cups plus 2 tbsp) milk"),
        ("2-3 cups of broth", "475 to 710 ml of broth", "2-3 cups of broth", "2-3 cups (475 to 710 ml) of broth"),
        # spoons, a glass, a bare "a cup" and a few grams are everybody's
        ("2 tbsp oil, 1 glass rice, 5 g salt", *["2 tbsp oil, 1 glass rice, 5 g salt"] * 3),
        ("press it down with a cup", *["press it down with a cup"] * 3),
        ("oven at 350°F", "oven at 175 °C", "oven at 350°F", "oven at 350°F"),
        ("oven at 200 °C (400 °F)", *["oven at 200 °C (400 °F)"] * 3),
        ("milk at 40 °C", "milk at 40 °C", "milk at 104 °F", "milk at 40 °C"),
        ("a 9x13-inch dish", "a 23 x 33 cm dish", "a 9x13-inch dish", "a 9x13-inch dish"),
        (
            "a 2 l pot, 24 cm wide",
            "a 2 l pot, 24 cm wide",
            "a 2 quart pot, 9 inches wide",
            "a 2 l (2 quart) pot, 24 cm wide",
        ),
        # the stop of an abbreviation goes with it, a sentence's stays
        ("Add 2 cups. Stir.", "Add 475 ml. Stir.", "Add 2 cups. Stir.", "Add 2 cups (475 ml). Stir."),
        (
            "Add 300 ml. Stir in 150 ml.",
            "Add 300 ml. Stir in 150 ml.",
            "Add 1¼ cups. Stir in ½ cup plus 2 tbsp.",
            "Add 300 ml (1¼ cups). Stir in 150 ml (½ cup plus 2 tbsp).",
        ),
        ("1 lb. Ground beef", "450 g Ground beef", "1 lb. Ground beef", "1 lb. (450 g) Ground beef"),
        (
            "pieces of 2-3 inches, 1 to 2 inch cubes",
            "pieces of 5–7.5 cm, 2.5 to 5 cm cubes",
            *["pieces of 2-3 inches, 1 to 2 inch cubes"] * 2,
        ),
        ("10 to 60 cm wide", "10 to 60 cm wide", "4 to 24 inches wide", "10 to 60 cm wide"),
        ("12 l water", "12 l water", "12½ quarts water", "12 l (12½ quarts) water"),
    ],
)
def test_a_text_in_the_units_of_the_house(written: str, metric: str, cups: str, both: str) -> None:
    assert [m.said(written) for m in (Manner(), METRIC, CUPS, BOTH)] == [written, metric, cups, both]
    # said once, it stays so
    assert METRIC.said(metric) == metric and CUPS.said(cups) == cups


@settings(max_examples=60, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(st.sampled_from(sorted(TEXTS)), st.sampled_from(SLUGS), st.sampled_from([METRIC, CUPS, BOTH]))
def test_the_same_pot_whatever_it_is_said_in(name: str, slug: str, manner: Manner) -> None:
    recipe = pipeline.read_once(TEXTS[name])
    try:
        plain = shift(recipe, Choice(slug))
    except Refusal:
        return
    said = shift(recipe, Choice(slug, kitchen=Kitchen(manner=manner)))
    assert (said.pot.pour_ml, said.pot.cook_typical) == (plain.pot.pour_ml, plain.pot.cook_typical)
    assert {b.law for b in laws.broken(said)} <= {b.law for b in laws.broken(plain)}
    # nothing is lost by saying it otherwise: as many marks, each within its text, and every place of the text that a card shows
    for new, old in zip(said.method.steps, plain.method.steps, strict=True):
        assert len(new.marks) == len(old.marks) and all(0 <= a < b <= len(new.text) for a, b in new.marks)
        assert [op for op, _, _ in new.places] == [op for op, _, _ in old.places]
        assert all(0 <= a <= b <= len(new.full) for _, a, b in new.places)


def test_list_step_and_jug_say_one_amount() -> None:
    text = "Leek pan\nServes 4\n1 1/2 cups long-grain rice\n2 1/4 cups stock\n1. Add the rice and the 2 1/4 cups stock, bring to a boil, cover and simmer 18 minutes."
    metric, cups, both = (
        pipeline.whole_way(text, Choice("barley-pearl", kitchen=Kitchen(manner=m), said_unit="measure"))
        for m in (METRIC, CUPS, BOTH)
    )
    poured = metric["pots"][0]["water"]["jug_ml"]
    assert (
        metric["ingredients"][1]["text"] == f"{poured} ml stock"
        and f"the {poured} ml stock" in metric["steps"][1]["text"]
    )
    assert metric["ingredients"][0]["text"] == f"{metric['pots'][0]['dry']['g']} g pearl barley"
    assert metric["pots"][0]["water"]["pour_said"]["unit"] == "ml"
    assert cups["pots"][0]["water"]["pour_said"] == {"amount": 3.0, "unit": "cup"}
    assert cups["ingredients"][1]["text"] == "3 cups stock" and "the 3 cups stock" in cups["steps"][1]["text"]
    assert both["ingredients"][1]["text"] == cups["ingredients"][1]["text"].replace(" stock", f" ({poured} ml) stock")


def test_cautions_and_hours_are_said_so_too() -> None:
    pot = pipeline.solve(
        pipeline.grain("quinoa"), 240, pipeline.default_way(pipeline.grain("quinoa")), Kitchen(manner=CUPS)
    )
    told = " ".join(c.text for c in cautions.for_pot(pot))
    assert "140 °F" in told and "165 °F" in told and "°C" not in told
    served = datetime(2026, 11, 26, 19, 30)
    kept = keeping.keep("quinoa", served, (), served + timedelta(minutes=10), 1, manner=CUPS)
    assert "8:30 pm" in kept.said and "165 °F" in kept.reheat
    with pytest.raises(Refusal) as fault:
        Manner("bushels")
    assert "metric, cups, both" in fault.value.problem.text
