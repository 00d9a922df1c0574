"""Around the meal: bags in one typed line, what is left over, the notebook as a table."""

from __future__ import annotations

from datetime import date, datetime, timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.grains import all_grains
from mealshift.keeping import Move, keep, moved, warmed
from mealshift.larder import BagLine, label, old, read_line
from mealshift.learning.table import COLUMNS, from_csv, to_csv
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import as_it_is

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


PLACE = st.sampled_from(["table", "fridge", "freezer"])


def lain(stays: list[tuple[float, str]]) -> tuple[Move, ...]:
    """Moves out of (hours in the place before, place)."""
    at, out = SEVEN, []
    for hours, place in stays:
        at += timedelta(hours=hours)
        out.append(Move(at, place))
    return tuple(out)


@given(
    st.lists(st.tuples(st.floats(0.1, 60), PLACE), max_size=4), st.integers(1, 4), st.floats(0, 50), st.floats(0, 50)
)
def test_what_is_over_stays_over_wherever_it_is_put(stays, days, hours, more) -> None:
    """The clock remembers: neither time nor another place makes good what was declared over."""
    moves = lain(stays)
    now = max([SEVEN, *(m.at for m in moves)]) + timedelta(hours=hours)
    then = keep("quinoa", SEVEN, moves, now, days)
    later = keep("quinoa", SEVEN, moves, now + timedelta(hours=more), days)
    assert later.over or not then.over
    assert then.eat_by <= (then.local_by or then.eat_by) and "74 °C" in then.reheat
    if then.over:
        assert "throw it away" in then.said
        for place in ("fridge", "freezer"):
            assert keep("quinoa", SEVEN, (*moves, Move(now, place)), now + timedelta(hours=more), days).over


@pytest.mark.parametrize(
    ("stays", "now", "over", "said"),
    [
        ([], 1.5, False, "into the fridge now"),
        ([], 2.1, True, "warm for more than two hours"),
        ([(0.5, "fridge")], 23, False, "Eat it by Thursday"),
        ([(6, "fridge")], 7, True, "warm for more than two hours"),
        ([(6, "freezer")], 500, True, "warm for more than two hours"),
        ([(0.5, "fridge"), (144, "freezer")], 150, True, "fridge is over"),
        ([(0.5, "freezer")], 1500, False, "best by"),
        ([(0.5, "freezer"), (1000, "fridge")], 1010, False, "Thawed: eat it by"),
        ([(0.5, "freezer"), (1000, "fridge")], 1030, True, "one day"),
        ([(0.5, "fridge"), (3, "table"), (1.8, "fridge")], 6, True, "warm for more than two hours"),
    ],
)
def test_left_overs_by_every_place_they_lay_in(stays, now, over, said) -> None:
    kept = keep("quinoa", SEVEN, lain(stays), SEVEN + timedelta(hours=now))
    assert (kept.over, said in kept.said) == (over, True), kept.said


@pytest.mark.parametrize("g", [g for g in all_grains() if g.family != "rice"], ids=lambda g: g.slug)
def test_what_is_left_is_warmed_as_a_dish_that_can_be_cooked(g) -> None:
    text = warmed(g.slug, f"Saffron pan with peas, in {g.name}", 2, False)
    recipe = read(text)
    assert recipe.source is None and recipe.title == "Saffron pan with peas, warmed through"
    steps = " ".join(st.text for st in as_it_is(recipe).method.steps)
    assert "74 °C" in steps and "only once" in steps and [d.low for st in recipe.steps for d in st.durations] == [6.0]
    with pytest.raises(Refusal, match="throw it away"):
        warmed(g.slug, "pan", 2, True)


def test_a_slip_is_put_right_and_thawed_grain_is_not_frozen_again() -> None:
    frozen = moved((), "freezer", SEVEN)
    assert moved(frozen, "fridge", SEVEN + timedelta(minutes=2)) == (Move(SEVEN + timedelta(minutes=2), "fridge"),)
    thawed = moved(frozen, "fridge", SEVEN + timedelta(days=3))
    with pytest.raises(Refusal, match="not frozen a second time"):
        moved(thawed, "freezer", SEVEN + timedelta(days=3, hours=2))


@pytest.mark.parametrize("days", [0, 5])
def test_a_rule_that_no_authority_has(days) -> None:
    with pytest.raises(Refusal, match="1 to 4 days"):
        keep("quinoa", SEVEN, (), SEVEN, days)


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
