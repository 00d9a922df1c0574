"""Around the meal: bags in one typed line, what is left over, the notebook as a table."""

from __future__ import annotations

from datetime import date, datetime, timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.grains import all_grains
from mealshift.keeping import keep
from mealshift.larder import BagLine, label, old, read_line
from mealshift.learning.table import COLUMNS, from_csv, to_csv
from mealshift.problems import Refusal

TODAY = date(2026, 11, 25)
SEVEN = datetime(2026, 11, 25, 19, 0)


@pytest.mark.parametrize(
    ("line", "bag"),
    [
        ("500 g foxtail millet", BagLine("foxtail-millet", 500, "polished")),
        ("1 kg brown rice best 3/2027", BagLine("rice-brown-long", 1000, "whole", date(2027, 3, 31))),
        (
            "quinoa 400g, best before 15.3.2027, opened yesterday",
            BagLine("quinoa", 400, "whole", date(2027, 3, 15), date(2026, 11, 24)),
        ),
        ("1,5 kg pearl barley, quick, 1:2.5, 12 min", BagLine("barley-pearl", 1500, "quick", None, None, 2.5, 12)),
    ],
)
def test_a_bag_in_one_line(line, bag) -> None:
    got = read_line(line, TODAY)
    assert (got.grain, got.grams, got.best_before, got.opened, got.label_ratio, got.label_min) == (
        bag.grain,
        bag.grams,
        bag.best_before,
        bag.opened,
        bag.label_ratio,
        bag.label_min,
    )


@pytest.mark.parametrize(
    "line",
    [
        "",
        "foxtail millet",
        "500 g",
        "500 g gravel",
        "500 g quinoa best 13/2027",
        "500 g quinoa opened 2027-01-01",
        "500 g quinoa 1:40",
    ],
)
def test_a_bag_that_cannot_be_read(line) -> None:
    with pytest.raises(Refusal, match=r"\.$"):
        read_line(line, TODAY)


@given(st.sampled_from(all_grains()), st.integers(1, 20_000))
@settings(max_examples=120, deadline=None)
def test_every_grain_can_be_typed_by_its_name(g, grams) -> None:
    got = read_line(f"{grams} g {g.name}", TODAY)
    assert got.grams == grams and got.grain == g.slug


def test_an_old_bag_and_what_its_packet_says() -> None:
    assert "may not sprout" in old(BagLine("rice-brown-long", 500, "whole", date(2026, 10, 31)), TODAY)
    assert "Open for" in old(BagLine("quinoa", 500, "whole", None, TODAY - timedelta(days=400)), TODAY)
    assert old(BagLine("quinoa", 500, "whole", date(2027, 1, 1), TODAY), TODAY) == ""
    assert "Believe the packet" in label(BagLine("rice-brown-long", 500, "whole", label_min=10))
    assert "1 to 5" in label(BagLine("quinoa", 500, "whole", label_ratio=5))
    assert (
        label(BagLine("quinoa", 500, "whole", label_ratio=1.8, label_min=15)) == "The packet and the catalogue agree."
    )


@given(
    st.sampled_from(["quinoa", "maize-meal-coarse"]),
    st.sampled_from(["table", "fridge", "freezer"]),
    st.integers(1, 4),
    st.floats(0, 200),
    st.floats(0, 50),
)
def test_what_is_over_stays_over_and_the_stricter_rule_is_said_first(slug, place, days, hours, more) -> None:
    now, later = SEVEN + timedelta(hours=hours), SEVEN + timedelta(hours=hours + more)
    a, b = keep(slug, SEVEN, place, now, days), keep(slug, SEVEN, place, later, days)
    assert b.over or not a.over
    assert a.eat_by <= (a.local_by or a.eat_by) and "74 °C" in a.reheat
    if place == "table":
        assert a.over == (hours > 2)
    if place == "fridge" and hours <= 24:
        assert not a.over
    if place == "fridge" and hours > 24 * days:
        assert a.over and "throw it away" in a.said


@pytest.mark.parametrize("days", [0, 5])
def test_a_rule_that_no_authority_has(days) -> None:
    with pytest.raises(Refusal, match="1 to 4 days"):
        keep("quinoa", SEVEN, "fridge", SEVEN, days)


TEXT = (
    st.text(st.characters(codec="utf-8", exclude_categories=("Cs", "Cc")), max_size=40)
    .map(str.strip)
    .filter(lambda t: not t.startswith("'"))
)


@given(
    st.lists(
        st.tuples(
            st.dates(date(2020, 1, 1), TODAY),
            TEXT.filter(bool),
            st.sampled_from(all_grains()),
            st.integers(5, 900),
            st.none() | st.integers(-2, 2),
            TEXT,
        ),
        max_size=6,
    )
)
def test_the_table_comes_in_as_it_went_out(meals) -> None:
    rows = [
        dict.fromkeys(COLUMNS)
        | {
            "date": d.isoformat(),
            "dish": dish,
            "grain": g.slug,
            "dry_ml": ml,
            "dry_to_wet": wet,
            "note": note,
            "pot": "",
            "word": "",
        }
        for d, dish, g, ml, wet, note in meals
    ]
    got = from_csv(to_csv(rows))
    assert not got.problems
    assert [{**r, "date": r["date"].isoformat()} for _, r in got.rows] == rows
