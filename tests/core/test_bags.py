"""A bag from one typed line, and when it is old; left-overs by the clock."""

from __future__ import annotations

from datetime import date, datetime, timedelta

import pytest

from mealshift.keeping import Move, keep, moved, warmed
from mealshift.larder import BagLine, check, label, old, read_date, read_line
from mealshift.measures import Measures
from mealshift.problems import Refusal

TODAY = date(2026, 11, 25)
SEVEN = datetime(2026, 11, 25, 19, 0)

LINES = [
    ("500 g foxtail millet", ("foxtail-millet", 500.0, "polished")),
    ("quinoa 1 kg", ("quinoa", 1000.0, "whole")),
    ("1 lb pearl barley", ("barley-pearl", 453.6, "polished")),
    ("2 cups quinoa", ("quinoa", 2 * 237 * 0.72, "whole")),
    ("0,5 kg coarse bulgur", ("bulgur-coarse", 500.0, "whole")),
    ("quick 300 g pearl barley", ("barley-pearl", 300.0, "quick")),
    ("500 g foxtale millet", ("foxtail-millet", 500.0, "polished")),
]


@pytest.mark.parametrize(("line", "want"), LINES)
def test_a_bag_is_read_from_its_line(line: str, want: tuple[str, float, str]) -> None:
    bag = read_line(line, TODAY, Measures())
    assert (bag.grain, bag.kind) == (want[0], want[2]) and bag.grams == pytest.approx(want[1], abs=0.6)
    assert (bag.best_before, bag.opened, bag.label_ratio, bag.label_min) == (None, None, None, None)


def test_all_that_a_line_can_say() -> None:
    bag = read_line("500 g quinoa, best before 15.3.2027, opened yesterday, 1:2,5, 15 min", TODAY)
    assert (bag.best_before, bag.opened) == (date(2027, 3, 15), TODAY - timedelta(days=1))
    assert (bag.label_ratio, bag.label_min, bag.grams) == (2.5, 15.0, 500.0)
    assert read_line("opened today 200 g teff", TODAY).opened == TODAY
    assert read_line("200 g teff opened 1.11.2026", TODAY).opened == date(2026, 11, 1)


@pytest.mark.parametrize(
    ("said", "day"),
    [
        ("3/2027", date(2027, 3, 31)),
        ("2/2028", date(2028, 2, 29)),
        ("2027-03", date(2027, 3, 31)),
        ("2027-3-5", date(2027, 3, 5)),
        ("5.3.2027", date(2027, 3, 5)),
        ("5/3/2027", date(2027, 3, 5)),
    ],
)
def test_a_date_as_packets_have_it(said: str, day: date) -> None:
    assert read_date(said) == day


@pytest.mark.parametrize(
    ("line", "at"),
    [
        ("quinoa", "line"),
        ("500 g", "line"),
        ("500 g gravel", "line"),
        ("500 g quinoa, best 13/2027", "line"),
        ("500 g quinoa, best 31.2.2027", "line"),
        ("30 kg quinoa", "amount"),
        ("500 g quinoa opened 1.12.2026", "opened"),
        ("500 g quinoa 1:15", "label_ratio"),
        ("500 g quinoa 1:0.2", "label_ratio"),
        ("500 g quinoa 240 min", "label_min"),
    ],
)
def test_what_is_no_bag_is_said_in_a_sentence(line: str, at: str) -> None:
    with pytest.raises(Refusal) as said:
        read_line(line, TODAY)
    assert said.value.problem.where == at and said.value.problem.text[-1] in ".”"


def test_the_edges_of_a_bag() -> None:
    for bag in (
        BagLine("quinoa", 0.0, "whole"),
        BagLine("quinoa", 20_000.0, "whole"),
        BagLine("quinoa", 1.0, "whole", label_ratio=0.5, label_min=0.0),
        BagLine("quinoa", 1.0, "whole", label_ratio=12.0, label_min=180.0),
    ):
        assert check(bag, TODAY) == bag
    with pytest.raises(Refusal):
        check(BagLine("quinoa", 1.0, "velvet"), TODAY)


def test_when_a_bag_is_old() -> None:
    fresh = BagLine("quinoa", 500.0, "whole", best_before=TODAY, opened=TODAY)
    assert old(fresh, TODAY) == ""
    assert "which has passed" in old(fresh, TODAY + timedelta(days=1))
    long = BagLine("quinoa", 500.0, "whole", opened=TODAY)
    ages = [n for n in range(0, 1500, 10) if old(long, TODAY + timedelta(days=n))]
    # once it is old it stays old, and says for how long it has been open
    assert ages and ages == list(range(ages[0], 1500, 10))
    assert f"Open for {ages[0] // 30} months" in old(long, TODAY + timedelta(days=ages[0]))
    # a polished grain keeps longer than a whole one
    white = [
        n
        for n in range(0, 3000, 10)
        if old(BagLine("barley-pearl", 1.0, "polished", opened=TODAY), TODAY + timedelta(days=n))
    ]
    assert not white or white[0] > ages[0]


def test_the_packet_is_held_against_the_catalogue() -> None:
    plain = BagLine("barley-pearl", 500.0, "polished")
    assert label(plain) == ""
    assert "Believe the packet" in label(BagLine("barley-pearl", 500.0, "polished", label_min=10.0))
    assert label(BagLine("barley-pearl", 500.0, "polished", label_min=28.0)) == "The packet and the catalogue agree."
    assert "45 minutes where such grain takes" in label(BagLine("barley-pearl", 500.0, "polished", label_min=45.0))


@pytest.mark.parametrize(
    ("hours", "over", "says"),
    [
        (0.0, False, "into the fridge by 20:00; 21:00 at the latest"),
        (1.5, False, "into the fridge now; 21:00 at the latest"),
        (2.0, False, "now"),
        (2.1, True, "throw it away"),
    ],
)
def test_what_stands_on_the_table_has_two_hours(hours: float, over: bool, says: str) -> None:
    kept = keep("quinoa", SEVEN, (), SEVEN + timedelta(hours=hours))
    assert kept.over == over and says in kept.said


def test_a_slip_that_is_put_right_leaves_no_trace_and_what_was_thawed_is_not_frozen_again() -> None:
    at = lambda h: SEVEN + timedelta(hours=h)  # noqa: E731
    slip = moved(moved((), "freezer", at(0.5)), "fridge", at(0.5) + timedelta(minutes=4))
    assert [m.place for m in slip] == ["fridge"]
    thawed = moved(moved(moved((), "fridge", at(0.5)), "freezer", at(2)), "fridge", at(50))
    assert [m.place for m in thawed] == ["fridge", "freezer", "fridge"]
    with pytest.raises(Refusal):
        moved(thawed, "freezer", at(51))
    assert moved(thawed, "fridge", at(51)) == thawed
    assert keep("quinoa", SEVEN, thawed, at(50 + 23)).over is False
    assert keep("quinoa", SEVEN, thawed, at(50 + 25)).over is True


def test_the_household_s_own_rule_stands_beside_the_stricter() -> None:
    cold = (Move(SEVEN + timedelta(minutes=30), "fridge"),)
    strict, own = (keep("quinoa", SEVEN, cold, SEVEN + timedelta(hours=30), d) for d in (1, 3))
    assert strict.over and not own.over and own.local_by == SEVEN + timedelta(days=3)
    assert own.said.startswith("Past the stricter rule; by the one you follow")


@pytest.mark.parametrize(
    ("slug", "portions", "wet"),
    [
        ("quinoa", 1, "2 tablespoons water"),
        ("quinoa", 3, "6 tablespoons water"),
        ("maize-meal-coarse", 2, "4 tablespoons water or milk"),
    ],
)
def test_what_is_warmed_is_a_recipe_of_its_own(slug: str, portions: int, wet: str) -> None:
    text = warmed(slug, "Saffron pan with peas, in quinoa", portions, False)
    assert (
        text.startswith(f"Saffron pan with peas, warmed through\nServes {portions}\n")
        and wet in text
        and "74 °C" in text
    )
    with pytest.raises(Refusal):
        warmed(slug, "Saffron pan", portions, True)
