"""What a household's own pots and stove do to the numbers, and the test that finds out."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.pot import Kitchen
from mealshift.pot.boil_off import boil_off_test
from mealshift.pot.simulation import simulate
from mealshift.pot.ways import EVAPORATION
from mealshift.problems import Refusal

from .kitchen import demo, pot, report, shifted


@settings(max_examples=60, deadline=None)
@given(st.floats(14, 34), st.floats(0.5, 3.0), st.sampled_from(["tight", "ordinary", "open"]))
def test_a_pot_that_loses_so_much_is_found_to(cm, factor, lid) -> None:
    """Water boiled in a pot whose loss is known: the test finds that factor again, and the account then uses it."""
    usual = Kitchen(pot_cm=cm).area_cm2 * EVAPORATION[lid]
    if factor * usual * 20 < 30:
        return
    found = boil_off_test(Kitchen(pot_cm=cm), 3000, 3000 - factor * usual * 20, 20, lid)
    assert found.factor == pytest.approx(factor, rel=0.02)
    plain, taught = (pot("quinoa", 300, Kitchen(pot_cm=cm, boil_off=f), lid=lid) for f in (1.0, found.factor))
    boil = {r.term: r.amount for r in plain.rows}["boil_off"]
    assert {r.term: r.amount for r in taught.rows}["boil_off"] == pytest.approx(boil * found.factor)
    assert simulate(taught).verdict.code == "right"


@pytest.mark.parametrize(
    ("given_", "where"),
    [
        ((100, 50, 10, "ordinary"), "before_ml"),
        ((1000, 1100, 10, "ordinary"), "after_ml"),
        ((1000, 940, 1, "ordinary"), "minutes"),
        ((1000, 200, 10, "sealed"), "after_ml"),
        ((1000, 940, 10, "foil"), "lid"),
    ],
)
def test_a_boil_off_test_that_cannot_be(given_, where) -> None:
    with pytest.raises(Refusal) as said:
        boil_off_test(Kitchen(), *given_)
    assert said.value.problem.where == where and said.value.problem.text.endswith(".")


def test_a_test_that_lost_little_says_how_good_it_is() -> None:
    rough = boil_off_test(Kitchen(pot_cm=16), 500, 485, 10, "tight")
    assert rough.band > 0.25 and [p.code for p in rough.problems] == ["rough"]
    assert not boil_off_test(Kitchen(pot_cm=24), 1500, 1380, 20, "ordinary").problems


@settings(max_examples=40, deadline=None)
@given(st.floats(16, 30), st.floats(0.3, 2.0), st.floats(0.0, 2.0))
def test_a_pot_that_loses_more_is_poured_more(cm, less, more) -> None:
    low, high = (pot("quinoa", 240, Kitchen(pot_cm=cm, boil_off=f)) for f in (less, less + more))
    assert low.raw_pour_ml <= high.raw_pour_ml


def test_a_pots_own_lid_counts_where_the_recipe_says_only_covered() -> None:
    """The tight lid of the household's pot is read; a lid that the cook names wins over it."""
    own, usual = (report(demo("01"), "foxtail-millet", kitchen=Kitchen(lid=lid)) for lid in ("tight", "ordinary"))
    named = report(demo("01"), "foxtail-millet", kitchen=Kitchen(lid="tight"), lid="ordinary")
    assert own["pots"][0]["lid"] == "tight" and named["pots"][0]["lid"] == "ordinary"
    assert own["pots"][0]["water"]["pour_ml"] < usual["pots"][0]["water"]["pour_ml"]


def test_an_appliance_the_kitchen_does_not_list_is_asked_about() -> None:
    def asked(**kitchen: Any) -> list[tuple[str, str]]:
        made = shifted(demo("01"), "rice-brown-long", method="electric-pressure", kitchen=Kitchen(**kitchen))
        return [(p.where, p.severity) for p in made.problems if p.code == "no_appliance"]

    assert asked(cookers=("rice cooker",)) == [("electric cooker", "ask")]
    # a kitchen that has it, and one that has not been told of
    assert asked(cookers=("electric cooker",)) == asked() == []
