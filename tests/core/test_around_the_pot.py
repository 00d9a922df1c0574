"""Blends, the other way round, before the pot and after it, and every grain for a dish."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift import comparing, pipeline, preparing
from mealshift.grains import all_grains, blend, grain, schools
from mealshift.pot import Kitchen, default_way, reverse
from mealshift.pot.afterwards import afterwards, minutes_to, time_constant
from mealshift.pot.packet import Packet, by_packet
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice
from mealshift.shifting.blends import plan

from .kitchen import demo, ingredients, pot, report, steps

# -- blends ----------------------------------------------------------------------------------------------------


@settings(max_examples=80, deadline=None)
@given(
    st.lists(st.sampled_from(all_grains()), min_size=2, max_size=4, unique_by=lambda g: g.slug),
    st.data(),
    st.sampled_from([0.0, 60.0]),
)
def test_the_account_of_a_blend_is_the_sum_of_its_grains(grains, data, soak) -> None:
    shares = [data.draw(st.integers(1, 9)) for _ in grains]
    try:
        mixed = blend(tuple(zip([g.slug for g in grains], map(float, shares), strict=True)))
        way = default_way(mixed, "covered", soak_min=soak if mixed.soak else 0.0, roast="none")
    except Refusal:
        return
    whole = pot(mixed, 300.0, method="covered", texture=way.texture, soak_min=way.soak_min, roast="none")
    parts = [
        pot(
            g,
            300.0 * n / sum(shares),
            method="covered",
            texture=way.texture,
            soak_min=way.soak_min if g.soak else 0.0,
            roast="none",
        )
        for g, n in zip(grains, shares, strict=True)
    ]
    drinks = ("grain", "soak", "cling")
    assert sum(r.amount for r in whole.rows if r.term in drinks) == pytest.approx(
        sum(r.amount for p in parts for r in p.rows if r.term in drinks)
    )
    assert whole.cook_min == pytest.approx(max(p.cook_min for p in parts))


def test_what_the_packet_says_is_the_pot_where_the_cook_goes_by_it() -> None:
    """The usual measure pours the packet's ratio and cooks its minutes; another pot, texture or amount follows from them."""
    g = by_packet(grain("quinoa"), Packet("quinoa", 2.0, 12))
    assert (pot(g, 240.0).pour_ml, pot(g, 240.0).cook_typical) == (480, 12)
    assert pot(g, 480.0).pour_ml < 960 and pot(g, 240.0, texture="soft").pour_ml > 600
    data = report(demo("01"), "quinoa", packets=(Packet("quinoa", 2.0, 12),))
    assert (
        data["pots"][0]["time"]["cook"]["typical"] < report(demo("01"), "quinoa")["pots"][0]["time"]["cook"]["typical"]
    )
    with pytest.raises(Refusal, match="far more water"):
        by_packet(grain("quinoa"), Packet("quinoa", 8.0))


def test_grains_whose_minutes_are_alike_share_one_pot_also_under_pressure() -> None:
    three = (("rice-brown-long", 2.0), ("rice-red", 1.0), ("wild-rice", 1.0))
    assert plan("", three, 0.0, "electric-pressure", Kitchen()).kind == "common"
    assert plan("", three, 0.0, "covered", Kitchen()).kind == "staggered"
    packets = tuple(Packet(slug, None, 45) for slug, _ in three)
    assert plan("", three, 0.0, "covered", Kitchen(), packets).kind == "common"
    data = report(demo("01"), "rice-brown-long", blend=three, method="electric-pressure")
    assert len(data["pots"]) == 1


@pytest.mark.parametrize(
    ("parts", "kind", "says"),
    [
        ((("foxtail-millet", 1.0), ("quinoa", 1.0)), "common", "times meet"),
        ((("quinoa", 3.0), ("rice-brown-long", 7.0)), "staggered", "quinoa for the last 15"),
        ((("couscous", 1.0), ("barley-pearl", 2.0)), "separate", "steeped"),
        ((("maize-meal-coarse", 1.0), ("quinoa", 2.0)), "separate", "thickens the water"),
        ((("fonio", 1.0), ("sorghum", 2.0)), "separate", "minutes apart"),
    ],
)
def test_how_grains_share_a_pot(parts, kind, says) -> None:
    data = report(demo("01"), parts[0][0], blend=parts)
    assert data["blend"]["kind"] == kind and says in data["blend"]["because"]
    assert len(data["pots"]) == (2 if kind == "separate" else 1)
    for p in data["pots"]:
        assert sum(r["ml"] for r in p["ledger"]) == p["water"]["pour_ml"]


def test_a_beginners_blend_in_the_recipes_own_words() -> None:
    data = report(demo("01"), "quinoa", blend=(("quinoa", 3.0), ("rice-white-long", 7.0)))
    assert (
        ingredients(data)[0]
        == "293 g quinoa and long-grain white rice, rinsed (83 g quinoa, 210 g long-grain white rice)"
    )
    assert data["title"].endswith(", in quinoa and long-grain white rice")


def test_a_quick_kind_beside_a_slow_one_is_warned_of() -> None:
    data = report(demo("01"), "x", blend=(("rice-brown-quick", 1.0), ("barley-pearl", 1.0)))
    assert "packet" in [p["code"] for p in data["problems"]]


@pytest.mark.parametrize(
    "parts",
    [
        (("quinoa", 0.0), ("fonio", 1.0)),
        (("quinoa", 1.0), ("quinoa", 1.0)),
        (("quinoa", -1.0), ("fonio", 2.0)),
        tuple((g.slug, 1.0) for g in all_grains()[:5]),
    ],
)
def test_shares_that_cannot_be(parts) -> None:
    with pytest.raises(Refusal):
        report(demo("01"), "x", blend=parts)


def test_a_slow_pulse_beside_a_quick_grain_is_named_and_solved() -> None:
    text = (
        demo("07")
        .replace("basmati rice", "brown rice")
        .replace("13 minutes", "38 minutes")
        .replace("18 minutes", "2 minutes")
    )
    data = report(text, "quinoa")
    assert "slow_pulse" in [p["code"] for p in data["check"]]
    assert any("brown lentils" in s and "before the quinoa goes in" in s for s in steps(data))


# -- the other way round -----------------------------------------------------------------------------------------


@settings(max_examples=60, deadline=None)
@given(st.sampled_from([g for g in all_grains() if "covered" in g.methods]), st.floats(600, 1500))
def test_this_much_water_gives_the_pot_that_pours_it(g, water) -> None:
    way, kitchen = default_way(g, "covered"), Kitchen(pot_cm=24)
    found = reverse.grain_for_water(g, water, way, kitchen)
    assert found.raw_pour_ml == pytest.approx(water, abs=0.5)
    back = reverse.texture_for_water(g, found.dry_ml, water, way, kitchen)
    assert back.way.texture == pytest.approx(way.texture, abs=0.02)


def test_this_depth_and_this_pot() -> None:
    g, kitchen = grain("quinoa"), Kitchen()
    deep = reverse.grain_for_depth(g, 1.5, default_way(g), kitchen)
    assert (deep.raw_pour_ml - 0.4 * deep.dry_ml) / kitchen.area_cm2 == pytest.approx(1.5, abs=0.01)
    full = reverse.grain_for_pot(g, default_way(g), kitchen)
    assert not full.problems and pot(g, full.dry_ml * 1.02).problems
    for ask in (
        lambda: reverse.grain_for_water(g, 5.0, default_way(g), kitchen),
        lambda: reverse.grain_for_depth(g, 19.0, default_way(g), kitchen),
        lambda: reverse.texture_for_water(g, 240, 100, default_way(g), kitchen),
        lambda: reverse.texture_for_water(g, 240, 5000, default_way(g), kitchen),
    ):
        with pytest.raises(Refusal):
            ask()


# -- before and after --------------------------------------------------------------------------------------------


def test_cooling_follows_the_depth() -> None:
    assert time_constant(3) == pytest.approx(25) and time_constant(12) == pytest.approx(120)
    shallow, deep = minutes_to(21, 3, 18), minutes_to(21, 12, 18)
    assert 4 * shallow < deep < 6 * shallow
    assert minutes_to(21, 3, 25) == float("inf")
    after = afterwards(pot("foxtail-millet", 300.0, texture="fluffy"))
    assert after.cold_word == "separate"
    # half a texture step of the water: (3.1 − 2.1) / 2 · 240 g
    assert after.drinks_ml == pytest.approx(0.5 * 240, rel=0.01)


def test_a_meal_made_at_home() -> None:
    mill = preparing.mill(grain("foxtail-millet"), 500.0, jar_ml=400.0)
    assert mill.batches == 5 and mill.batch_g == pytest.approx(100.0)
    assert mill.meal_g + mill.flour_g < 500
    assert [t.minutes for t in mill.tasks if "dry under moving air" in t.what] == [30.0]
    with pytest.raises(Refusal):
        preparing.mill(grain("rice-grits"), 500.0)


def test_sprouting_takes_days_and_only_whole_grain() -> None:
    tasks = preparing.sprout(grain("rice-brown-long"))
    assert 1440 <= sum(t.minutes for t in tasks) <= 3 * 1440
    with pytest.raises(Refusal, match="will not sprout"):
        preparing.sprout(grain("barley-pearl"))
    plain, sprouted = pot("rice-brown-long"), pot("rice-brown-long", sprouted=True)
    assert sprouted.cook_min == pytest.approx(0.7 * plain.cook_min)
    assert 0.6 < sprouted.pour_ml / plain.pour_ml < 0.9


def test_one_millet_by_all_its_schools() -> None:
    ratios = []
    for s in schools("little-millet"):
        ratios.append(pot("little-millet", soak_min=s.soak_min or 0.0, texture=s.texture, roast=s.roast).pour_ml / 240)
    assert min(ratios) < 1.4 and max(ratios) > 3.5
    assert schools("little-millet")[0].default and schools("little-millet")[0].why


@pytest.mark.parametrize(
    "method",
    ["steam", "off-heat", "cook-ahead", "rice-cooker", "microwave", "drain", "pressure", "electric-pressure", "oven"],
)
def test_every_way_has_its_account(method) -> None:
    p = pot("rice-white-long", method=method, soak_min=480.0 if method == "steam" else 0.0)
    assert p.pour_ml > 100 and p.total_min > 10 and not p.problems
    terms = {r.term for r in p.rows}
    assert {"drain": "drained", "steam": "base", "cook-ahead": "splash"}.get(method, "boil_off") in terms


# -- every grain for this dish --------------------------------------------------------------------------------------


def test_the_ranking_says_why() -> None:
    data = comparing.report(read(demo("01")), Kitchen(), by_hours=1.0)
    rows = data["grains"]
    assert len(rows) == len(all_grains()) and data["weighed"] > 150
    assert all(r["reason"].endswith(".") for r in rows)
    by = {r["grain"]: r for r in rows}
    assert not by["amaranth"]["suited"] and "sets together" in by["amaranth"]["reason"]
    assert by["sorghum"]["in_time"] is True or "too late" in by["sorghum"]["reason"]
    suited = [r["score"] for r in rows if r["suited"] and r["in_time"]]
    assert suited == sorted(suited, reverse=True)
    late = comparing.report(read(demo("01")), Kitchen(), by_hours=0.3)["grains"]
    assert any("too late" in r["reason"] for r in late)


def test_the_ranking_can_leave_gluten_out_and_knows_the_dish() -> None:
    free = comparing.report(read(demo("04")), Kitchen(), gluten_free=True)["grains"]
    assert not any(r["gluten"] for r in free)
    assert "will not cling" in next(r["reason"] for r in free if r["grain"] == "wild-rice")
    with pytest.raises(Refusal):
        comparing.report(read(demo("04")), Kitchen(), by_hours=-1)


def test_a_grain_that_waits_is_told_before_the_sentence_that_brings_the_other_to_the_boil() -> None:
    made = pipeline.whole_way(
        "Pot\nServes 4\n1 cup long-grain rice\n2 cups stock\n\nBring the rice and stock to the boil, cover, simmer 18 minutes. Rest 10 minutes.",
        Choice("barley-pearl", blend=(("barley-pearl", 0.5), ("quinoa", 0.5))),
    )
    told = " ".join(s["text"] for s in made["steps"])
    assert "Bring the grain and stock to the boil, cover, simmer 32 minutes." in told
    # quinoa has its own minutes of the barley's
    assert "The quinoa waits: it goes in at minute 16, 16 minutes before the end" in told
