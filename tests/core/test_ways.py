"""The table of methods, row by row: what each loses, how long it takes, how full it may be, and that every way a cook uses is there."""

from __future__ import annotations

import pytest

from mealshift.grains import all_grains, grain
from mealshift.grains.catalogue import METHODS
from mealshift.pot import Kitchen, Pot, default_way, solve
from mealshift.pot.account import boil_rate
from mealshift.pot.methods import method
from mealshift.pot.stages import in_words, stages

from .kitchen import pot


def row(p: Pot, term: str) -> float:
    return sum(r.amount for r in p.rows if r.term == term)


@pytest.mark.parametrize(
    ("how", "options", "loses", "up", "minutes", "release", "rest"),
    [
        # barley, 300 ml in a 20 cm pot (314 cm²): what boils off, is lost on the way, minutes at the heat, release, rest
        ("covered", {}, 314.16 * 0.018 * 30, 20, 30, 0, 5),
        ("covered", {"lid": "tight"}, 314.16 * 0.012 * 30, 20, 30, 0, 5),
        ("open", {}, 314.16 * 0.041 * 30, 40, 30, 0, 5),
        ("drain", {}, 314.16 * 0.041 * 25.5, 40, 25.5, 0, 5),
        ("soup", {}, 314.16 * 0.018 * 30, 20, 30, 0, 0),
        ("rice-cooker", {}, 3.7 * 40.5, 0, 40.5, 0, 5),
        ("microwave", {}, 8 * 30, 0, 30, 0, 5),
        ("oven", {}, 314.16 * 0.016 * 47, 0, 47, 0, 5),
        ("oven", {"lid": "open"}, 314.16 * 0.020 * 47, 0, 47, 0, 5),
        ("electric-pressure", {"texture": 1.0}, 25, 0, 20, 10, 5),
        ("electric-pressure", {"texture": 1.0, "release": "quick"}, 25, 0, 25, 1, 5),
        ("pressure", {"texture": 1.0, "whistles": 6}, 20 + 12 * 6, 0, 15, 10, 5),
        ("slow-cooker", {}, 0.5 * 300, 0, 300, 0, 0),
        ("slow-cooker", {"heat": "brisk"}, 0.5 * 150, 0, 150, 0, 0),
        ("cook-ahead", {}, 314.16 * 0.018 * 30, 20, 30, 0, 33),
    ],
)
def test_a_way_by_its_row(how, options, loses, up, minutes, release, rest) -> None:
    p = pot("barley-pearl", 300.0, method=how, **options)
    assert row(p, "boil_off") == pytest.approx(loses, rel=1e-3)
    assert (row(p, "come_up"), p.cook_min, p.release_min, p.rest_min) == pytest.approx(
        (up, minutes, release, rest), rel=1e-3
    )


def test_the_way_to_the_boil_knows_its_heat() -> None:
    """540 g of liquid and grain: a burner of 1,200 W, a cooker of 500, a microwave of 0.8 × 800; pressure takes four minutes more."""
    p = {
        how: pot("barley-pearl", 300.0, method=how, texture=1.0)
        for how in ("covered", "rice-cooker", "microwave", "pressure", "electric-pressure", "oven", "slow-cooker")
    }

    def boils(of: Pot, watts: float) -> float:
        return (of.raw_pour_ml * 4.186 + of.dry_g * 1.8) * 80 / watts / 60

    assert p["covered"].come_up_min == pytest.approx(boils(p["covered"], 1200))
    assert p["rice-cooker"].come_up_min == pytest.approx(boils(p["rice-cooker"], 500))
    assert p["microwave"].come_up_min == pytest.approx(boils(p["microwave"], 640))
    assert p["pressure"].come_up_min == pytest.approx(boils(p["pressure"], 1200) + 4)
    assert p["electric-pressure"].come_up_min == pytest.approx(boils(p["electric-pressure"], 900) + 4)
    assert p["oven"].come_up_min == p["slow-cooker"].come_up_min == 0


@pytest.mark.parametrize(
    ("how", "full"),
    [("covered", 2 / 3), ("pressure", 0.5), ("electric-pressure", 0.5), ("microwave", 0.5), ("oven", 2 / 3)],
)
def test_how_full_a_vessel_may_be(how, full) -> None:
    g, kitchen = grain("barley-pearl"), Kitchen(pot_cm=20, pot_l=3.0)

    def fill(ml: float) -> tuple[float, bool]:
        p = solve(g, ml, default_way(g, how, 1.0), kitchen)
        return max(p.raw_pour_ml + 0.6 * ml, p.cooked_ml) / 3000, any(x.code == "pot_full" for x in p.problems)

    found = [fill(ml) for ml in range(200, 1200, 20)]
    assert all(said == (share > full) for share, said in found) and {said for _, said in found} == {True, False}


def test_a_pressure_cooker_wants_its_liquid() -> None:
    small = pot("rice-white-long", 60.0, method="electric-pressure")
    [problem] = [p for p in small.problems if p.code == "least_liquid"]
    assert "240 ml" in problem.text and "trivet" in problem.text
    assert not any(p.code == "least_liquid" for p in pot("rice-white-long", 300.0, method="electric-pressure").problems)


def test_whistles_are_this_kitchens_everywhere() -> None:
    """At five minutes a whistle: step, ledger and boil-off count the same whistles."""
    kitchen = Kitchen(whistle_min=5.0)
    for g in all_grains():
        if "pressure" in g.methods:
            p = solve(g, 300.0, default_way(g, "pressure"), kitchen)
            said = f"about {p.whistles} whistle"
            assert any(said in what for what, _ in stages(p))
            assert row(p, "boil_off") == pytest.approx(20 + 12 * p.whistles)
            assert p.whistles == max(1, int(p.cook_min / 5.0 + 0.5))


def test_a_thick_pot_gives_up_less_and_a_porridge_grain_is_stretched_once() -> None:
    assert boil_rate(
        grain("maize-meal-coarse"), default_way(grain("maize-meal-coarse"), "open"), Kitchen()
    ) == pytest.approx(0.4 * 314.159 * 0.041, rel=1e-3)
    for slug, usual in (("oats-rolled", 5), ("oats-steel-cut", 25), ("teff", 18), ("amaranth", 20)):
        assert pot(slug, texture="porridge").cook_min == usual == pot(slug, texture="moist").cook_min
        assert pot(slug, texture="thin").cook_min > 1.4 * usual


def test_a_long_soak_in_a_warm_kitchen_is_the_fridges() -> None:
    warm, cool = (pot("barley-hulled", 300.0, Kitchen(room_c=c), soak_min=480.0) for c in (28.0, 5.0))
    assert warm.uptake == pytest.approx(cool.uptake)


def test_microwave_rounds_say_what_to_top_up_and_how_deep() -> None:
    parts = stages(pot("barley-pearl", 200.0, method="microwave"))
    rounds = [(what, n) for what, n in parts if "W, lid vented" in what]
    assert [n for _, n in rounds] == [8, 8, 7, 7]
    assert all("cm of water over the grain" in what or "just wet" in what for what, _ in rounds[:-1])
    assert all("ml of boiling water" in what for what, _ in rounds[:-1]) and "boiling" not in rounds[-1][0]


# what cooks do: each of these pots is reckoned, told in stages, and in words where its row has a sentence
USED = {
    "microwave": "barley-pearl farro-pearled freekeh-cracked rice-red rice-black wild-rice oats-steel-cut oats-rolled maize-meal-coarse couscous",
    "rice-cooker": "barley-pearl barley-hulled farro-pearled sorghum wild-rice oats-steel-cut amaranth fonio pearl-millet barley-quick",
    "electric-pressure": "bulgur-coarse barley-quick rice-grits millet-grits sorghum-grits maize-meal-coarse finger-millet-meal",
    "pressure": "freekeh-cracked amaranth bulgur-coarse buckwheat-roasted",
    "steam": "couscous fonio little-millet foxtail-millet rice-glutinous",
    "steep": "bulgur-coarse fonio couscous",
    "oven": "sorghum pearl-millet wheat-broken",
    "slow-cooker": "barley-pearl oats-steel-cut wild-rice",
    "soup": "barley-pearl rice-white-long quinoa",
}


@pytest.mark.parametrize("how", USED)
def test_the_ways_that_cooks_use_are_there(how) -> None:
    for slug in USED[how].split():
        p = pot(slug, 240.0, method=how)
        assert p.pour_ml > 100 and p.cook_typical >= 3, slug
        told = stages(p)
        assert sum(n for _, n in told) == p.total_min - (0 if how != "steep" else 0) and all(
            "{" not in what for what, _ in told
        )
        assert "{" not in in_words(p)


def test_every_method_has_its_row_and_every_row_its_words() -> None:
    for slug in METHODS:
        assert method(slug).stages and method(slug).add.count("{ml}") == 1 and "{n}" in method(slug).more
