from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mealshift.measures import Measures, largest_remainder, number, parse_amount, parse_minutes
from mealshift.problems import Refusal

from .kitchen import pot


@pytest.mark.parametrize(
    ("text", "value"),
    [
        ("½", 0.5),
        ("1½", 1.5),
        ("1 ½", 1.5),
        ("1 1/2", 1.5),
        ("3/4", 0.75),
        ("0,5", 0.5),
        ("2", 2.0),
        ("half a", 0.5),
        ("one", 1.0),
    ],
)
def test_numbers_as_cooks_write_them(text: str, value: float) -> None:
    assert number(text) == pytest.approx(value)


def test_metric_us_and_household_measures_give_the_same_pot() -> None:
    """One cup, 237 ml and a measure of 237 ml; 8 oz and 226.8 g."""
    house = Measures(cup_ml=237, measure_ml=237)
    pours = {
        pot("quinoa", parse_amount(a, house).ml or 0.0).pour_ml for a in ("1 cup", "237 ml", "1 measure", "0.237 l")
    }
    assert len(pours) == 1
    assert parse_amount("8 oz").g == pytest.approx(parse_amount("1/2 lb").g, abs=0.1)


@pytest.mark.parametrize("text", ["", "rice", "3", "3 blorps", "-2 cups", "0 ml", "900 kg", "1/0 cup", "1 tin"])
def test_a_bad_amount_is_refused_in_one_sentence(text: str) -> None:
    with pytest.raises(Refusal) as refused:
        parse_amount(text)
    assert refused.value.problem.text.endswith(".") and "\n" not in refused.value.problem.text


@pytest.mark.parametrize(
    ("text", "minutes"),
    [("30 min", 30), ("8 h", 480), ("1 h 30 min", 90), ("none", 0), ("overnight", 600), ("1 day", 1440)],
)
def test_times(text: str, minutes: float) -> None:
    assert parse_minutes(text) == minutes


@given(st.lists(st.floats(-500, 500), min_size=1, max_size=8))
def test_largest_remainder_keeps_the_sum_and_moves_no_row_by_one(values: list[float]) -> None:
    total = round(sum(values))
    whole = largest_remainder(values, total)
    assert sum(whole) == total
    assert all(abs(w - v) <= 1.5 for w, v in zip(whole, values, strict=True))
