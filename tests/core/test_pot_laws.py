"""What must hold for every grain, pot and way, whatever the numbers in the catalogue."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.grains import Grain, all_grains
from mealshift.pot import LIDS, Kitchen, Pot, default_way, solve
from mealshift.pot.account import FRIDGE_ABOVE_C, FRIDGE_FROM_MIN, report

from .kitchen import pot

GRAINS = st.sampled_from(all_grains())
AMOUNTS = st.floats(40, 1500)
POTS = st.floats(14, 36)
BOILED = ("covered", "open", "off-heat")
settings.register_profile("laws", deadline=None, max_examples=120)
settings.load_profile("laws")


@st.composite
def boiling(draw: st.DrawFn) -> tuple[Grain, dict[str, object]]:
    """A grain and a way of boiling it that the grain does."""
    g = draw(GRAINS.filter(lambda g: set(g.methods) & set(BOILED)))
    method = draw(st.sampled_from([m for m in BOILED if m in g.methods]))
    low, high = g.texture_range()
    return g, {"method": method, "texture": draw(st.floats(low, high))}


def raw(p: Pot) -> float:
    return p.raw_pour_ml


@given(GRAINS, AMOUNTS, POTS, st.data())
def test_ledgers_sum_and_nothing_is_negative(g: Grain, ml: float, cm: float, data: st.DataObject) -> None:
    method = data.draw(st.sampled_from(list(g.methods)))
    soak = data.draw(st.sampled_from([0.0, 30.0, 480.0])) if g.soak else 0.0
    p = solve(g, ml, default_way(g, method, soak_min=soak), Kitchen(pot_cm=cm))
    assert p.pour_ml >= 0
    assert sum(row[1] for row in p.ledger()) == p.pour_ml
    assert sum(row[1] for row in p.time_ledger()) == p.total_min
    assert p.low_ml <= p.pour_ml <= p.high_ml
    time = report(p)["time"]
    assert time["come_up_min"] + time["cook"]["typical"] + time["release_min"] + time["rest_min"] == time["total_min"]


@given(
    boiling(), AMOUNTS, st.floats(0, 700), st.floats(1, 700), st.sampled_from(["kept", "discarded"]), st.floats(5, 30)
)
def test_more_soak_never_means_more_water_or_time(case, ml, soak, more, water, room) -> None:
    g, way = case
    if not g.soak:
        return
    if soak <= FRIDGE_FROM_MIN < soak + more:
        # over this border it moves from the counter into the fridge, where it takes longer
        room = min(room, FRIDGE_ABOVE_C)
    k = Kitchen(room_c=room)
    short = pot(g, ml, k, soak_min=soak, soak_water=water, **way)
    long = pot(g, ml, k, soak_min=soak + more, soak_water=water, **way)
    assert raw(long) <= raw(short) + 1e-6
    assert long.cook_min <= short.cook_min + 1e-9


@given(GRAINS.filter(lambda g: "covered" in g.methods), AMOUNTS, POTS, st.sampled_from(["gentle", "brisk"]))
def test_a_tighter_lid_never_needs_more(g: Grain, ml: float, cm: float, heat: str) -> None:
    pours = [raw(pot(g, ml, Kitchen(pot_cm=cm), method="covered", lid=lid, heat=heat)) for lid in LIDS[:-1]]
    if "open" in g.methods:
        pours.append(raw(pot(g, ml, Kitchen(pot_cm=cm), method="open", heat=heat)))
    assert all(tight <= loose + 1e-9 for tight, loose in pairwise(pours))


@given(boiling(), AMOUNTS)
def test_doubling_the_grain_less_than_doubles_the_pour(case, ml: float) -> None:
    g, way = case
    assert raw(pot(g, 2 * ml, **way)) < 2 * raw(pot(g, ml, **way))


@given(GRAINS.filter(lambda g: set(g.methods) & {"drain", "steep"}), AMOUNTS)
def test_drained_and_steeped_grain_at_most_doubles(g: Grain, ml: float) -> None:
    for method in {"drain", "steep"} & set(g.methods):
        assert raw(pot(g, 2 * ml, method=method)) <= 2 * raw(pot(g, ml, method=method)) + 1e-6


@given(boiling(), AMOUNTS, st.floats(0, 1))
def test_softer_never_needs_less_water_or_time(case, ml: float, part: float) -> None:
    g, way = case
    drier = way["texture"]
    softer = drier + part * (g.texture_range()[1] - drier)
    # over the border of the default roast too: one bites with it, the other without
    a, b = pot(g, ml, **way), pot(g, ml, **{**way, "texture": softer})
    assert raw(b) >= raw(a) - 1e-6
    assert b.cook_min >= a.cook_min - 1e-9


@given(boiling(), AMOUNTS, st.floats(0, 2500), st.floats(0, 2500))
def test_higher_is_never_quicker(case, ml: float, low: float, climb: float) -> None:
    g, way = case
    below, above = (pot(g, ml, Kitchen(altitude_m=h), **way) for h in (low, low + climb))
    assert above.cook_min >= below.cook_min
    assert above.come_up_min + above.cook_min >= below.come_up_min + below.cook_min - 1e-9


def test_one_case_by_hand() -> None:
    """240 ml of quinoa, 20 cm, ordinary lid: 172.8 g · 2.05 − 0.06 · 172.8 + 314.16 · 0.018 · 15 + 20."""
    p = pot("quinoa")
    assert raw(p) == pytest.approx(172.8 * 2.05 - 0.06 * 172.8 + 314.159 * 0.018 * 15 + 20, abs=0.01)
    assert (p.pour_ml, p.cook_typical) == (449, 15)


def test_the_same_millet_takes_little_more_than_its_volume_or_four_times_it() -> None:
    dry = pot("little-millet", texture="separate", soak_min=240.0, lid="sealed")
    loose = pot("little-millet", texture="soft", lid="ajar")
    assert dry.pour_ml / 240 == pytest.approx(1.0, abs=0.25)
    assert loose.pour_ml / 240 > 3.7


@pytest.mark.parametrize(
    ("slug", "minutes"), [("rice-white-long", 20), ("rice-brown-long", 48)], ids=["white rice", "brown rice"]
)
def test_altitude_follows_usual_advice(slug: str, minutes: int) -> None:
    """A quarter longer at 1,500 m."""
    assert pot(slug, kitchen=Kitchen(altitude_m=1500)).cook_typical == pytest.approx(minutes, abs=1)


def test_too_much_and_too_little_for_the_pot() -> None:
    assert [p.code for p in pot("bulgur-coarse", 1400.0).problems] == ["pot_full"]
    assert [p.code for p in pot("bulgur-coarse", 100.0, Kitchen(pot_cm=26)).problems] == ["pot_wide"]
    absurd = report(pot("bulgur-coarse", 15.0, Kitchen(pot_cm=40)))
    assert absurd["water"]["ratio_by_volume"] is None  # type: ignore[index]
    assert pot("bulgur-coarse", 300.0).problems == ()


@given(GRAINS, AMOUNTS)
def test_an_old_bag_takes_a_tenth_more_of_what_its_grain_drinks(g: Grain, ml: float) -> None:
    way = default_way(g)
    new, old = solve(g, ml, way), solve(g, ml, way.with_(age="old"))
    rows = {r.term: r.amount for r in old.rows}
    assert rows["age"] == pytest.approx(0.1 * rows["grain"])
    assert old.drinks_ml == pytest.approx(1.1 * new.drinks_ml)


def test_what_swims_in_broth_boils_off_like_water_however_thick_its_grain() -> None:
    """A grain of porridge gives its water up slowly; with a broth to stay over it, in a soup or another pot, the pot is not thick."""
    g = next(g for g in all_grains() if g.usual == "porridge" and "soup" in g.methods and "open" in g.methods)
    off = {
        name: next(r.amount for r in solve(g, 240.0, way, finish_min=0.0, cook_min=20.0).rows if r.term == "boil_off")
        for name, way in (
            ("thick", default_way(g, "open")),
            ("with broth", default_way(g, "open").with_(broth_ml=800.0)),
            ("soup", default_way(g, "soup", lid="open")),
        )
    }
    assert off["thick"] < 0.7 * off["with broth"] and off["soup"] == pytest.approx(off["with broth"])
