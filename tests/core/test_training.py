"""The practice pot: the right guess is right, and what is guessed badly comes again."""

from __future__ import annotations

from collections import Counter

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.problems import Refusal
from mealshift.training import Task, Try, grains_trained, judge, next_task, pot_of


@given(st.integers(0, 2**32 - 1))
@settings(max_examples=80, deadline=None)
def test_the_reckoned_guess_comes_out_right_and_a_wild_one_does_not(seed) -> None:
    task = next_task([], [16.0, 26.0], seed)
    assert task == next_task([], [16.0, 26.0], seed)
    pot = pot_of(task)
    right = judge(task, pot.raw_pour_ml, pot.cook_min)
    assert right.mark.error < 0.01 and right.run.verdict.code == "right"
    assert "Water: right" in right.said and "Time: right" in right.said and right.why
    little = judge(task, pot.raw_pour_ml * 0.4, pot.cook_min)
    assert little.run.verdict.code != "right" and "too little" in little.said
    short = judge(task, pot.raw_pour_ml, 0)
    assert short.run.verdict.code != "right" and "too short" in short.said


def test_what_is_guessed_badly_comes_more_often() -> None:
    bad, good = "quinoa", [g for g in grains_trained() if g != "quinoa"]
    tries = [Try(bad, -0.6, 0.5)] * 4 + [Try(g, 0.02, -0.03) for g in good]
    drawn = Counter(next_task(tries, [20.0], n).grain for n in range(400))
    assert drawn[bad] > 5 * max(drawn[g] for g in good)


@pytest.mark.parametrize(
    "bad", [{"pour_ml": -1}, {"minutes": 999}, {"grain": "dust"}, {"dry_ml": 1}, {"lid": "foil"}, {"pot_cm": 400.0}]
)
def test_a_guess_that_cannot_be(bad) -> None:
    task = {"grain": "quinoa", "dry_ml": 240, "pot_cm": 20.0, "lid": "ordinary", "texture": 1.0}
    guess = {"pour_ml": 400.0, "minutes": 15.0}
    with pytest.raises(Refusal):
        judge(Task(**{k: bad.get(k, v) for k, v in task.items()}), *(bad.get(k, v) for k, v in guess.items()))
