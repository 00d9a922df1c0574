"""One number, one meaning, wherever it is said: the answer for a pot, the jug, the reserve, the stove's report of it, and the sums by hand they come from."""

from __future__ import annotations

import math
from datetime import datetime

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from mealshift import cooking, pipeline, training
from mealshift.cooking import Event
from mealshift.grains import all_grains, grain
from mealshift.manner import Manner
from mealshift.measures import Measures, round_half_up
from mealshift.planning import Dish, plan_dinner
from mealshift.pot import Brought, Kitchen, default_way, solve
from mealshift.pot.account import report, uptake
from mealshift.pot.jug import jug
from mealshift.reading import read
from mealshift.shifting import Choice

from .kitchen import demo, pot, shifted

SEVEN, NOON = datetime(2026, 11, 25, 19, 0), datetime(2026, 11, 25, 12, 0)
BOILED = [g for g in all_grains() if g.simmer and "covered" in g.methods]


def peleg(slug: str, minutes: float, room_c: float) -> float:
    """Soaked water by the page that fixes the model: u_max · t / (t + t_half), t_half doubling for 10 °C colder."""
    s = grain(slug).soak
    return s.u_max * minutes / (minutes + s.t_half * 2 ** ((20 - room_c) / 10)) if s else 0.0


@pytest.mark.parametrize("g", BOILED, ids=lambda g: g.slug)
def test_the_answer_of_a_pot_is_made_of_its_own_parts(g) -> None:
    p = pot(g, 240.0, soak_min=20.0 if g.soak else 0.0)
    said = report(p)
    water, time = said["water"], said["time"]
    assert sum(row["ml"] for row in said["ledger"]) == water["pour_ml"] == p.pour_ml
    assert water["low_ml"] <= water["pour_ml"] <= water["high_ml"]
    assert water["reserve_ml"] == water["high_ml"] - water["pour_ml"] >= 0
    # the kettle holds the reserve, to the next ten
    assert water["kettle_ml"] % 10 == 0 and 0 <= water["kettle_ml"] - water["reserve_ml"] < 10
    assert water["ratio_by_volume"] == round(p.pour_ml / 240, 2)
    area = math.pi * (p.kitchen.pot_cm / 2) ** 2
    assert water["depth_above_cm"] == pytest.approx((p.pour_ml - 0.4 * 240) / area, abs=0.06)
    assert said["dry"] == {"ml": 240, "g": round_half_up(240 * g.density)}
    assert said["soak"]["uptake_ml"] == round_half_up(p.uptake * p.dry_g)
    assert time["cook"]["low"] <= time["cook"]["typical"] <= time["cook"]["high"]
    parts = time["come_up_min"] + time["cook"]["typical"] + time["release_min"] + time["rest_min"]
    assert abs(time["total_min"] - parts) <= 1
    wet = p.dry_g * (1 + g.hydration_at(p.way.texture))
    assert said["yield"]["g"] == pytest.approx(wet, abs=1)
    assert said["roast"]["min"] == (0 if said["roast"]["kind"] == "none" else said["roast"]["min"])
    assert (said["roast"]["kind"] == "none") == (said["roast"]["min"] == 0)


@settings(max_examples=60, deadline=None)
@given(st.sampled_from([g.slug for g in BOILED if g.soak]), st.floats(5, 239), st.floats(10, 20))
def test_a_soak_takes_up_what_the_formula_says(slug: str, minutes: float, room: float) -> None:
    # under four hours it stands in the kitchen, at the kitchen's warmth
    assert uptake(grain(slug), minutes, room) == pytest.approx(peleg(slug, minutes, room), rel=1e-6)


@pytest.mark.parametrize("slug", ["maize-meal-white", "couscous", "quinoa"])
def test_nothing_is_soaked_without_minutes_or_without_a_wish_for_it(slug: str) -> None:
    assert uptake(grain(slug), 0.0, 20.0) == 0.0 == uptake(grain(slug), -5.0, 20.0)
    if not grain(slug).soak:
        assert uptake(grain(slug), 60.0, 20.0) == 0.0


def evening(**choice) -> tuple[cooking.Script, str]:
    dinner = plan_dinner([Dish("k", read(demo("01")), Choice("barley-pearl", **choice))], SEVEN, NOON, 3)
    script = cooking.script_of(dinner.shifts, dinner.plan, NOON)
    return script, next(iter(script.pots))


def test_the_stove_says_the_bench_s_reserve_and_mends_the_pot_as_it_will_be() -> None:
    script, key = evening()
    mine = script.pots[key]
    bench = report(mine)["water"]
    boil = next(s for s in script.steps if s.kind == "boil")

    def wrongs(minute: float, on: float | None) -> list:
        events = [] if on is None else [Event("a", "begun", on, {"step": boil.id})]
        [row] = cooking.report(script, events, minute)["pots"]
        assert (row["pour_ml"], row["reserve_ml"]) == (bench["pour_ml"], bench["reserve_ml"])
        assert row["on"] == on
        return row["wrongs"]

    at = boil.planned
    before, early, late = wrongs(at - 5, None), wrongs(at + 5, at), wrongs(at + 20, at)
    assert {w["code"] for w in before} == {w["code"] for w in early} == {w["code"] for w in late}
    # mends are counted from when the heat went on, not from noon, and later is later
    minutes = [[m["minute"] for m in ws[0]["mends"]] for ws in (early, late)]
    assert minutes[0][0] == pytest.approx(5) and minutes[1][0] == pytest.approx(20)
    assert all(sorted(row) == row for row in minutes)


def test_advice_for_a_pot_is_said_as_the_household_pours() -> None:
    for amounts, there, gone in (("cups", "cup", " ml"), ("metric", " ml", "cup")):
        kitchen = Kitchen(manner=Manner(amounts))
        script, _ = evening(kitchen=kitchen)
        boil = next(s for s in script.steps if s.kind == "boil")
        [row] = cooking.report(script, [Event("a", "begun", boil.planned, {"step": boil.id})], boil.planned + 20)[
            "pots"
        ]
        [dry] = [w for w in row["wrongs"] if w["code"] == "dry_hard"]
        assert all(there in m["text"] and gone not in m["text"] and m["add_ml"] for m in dry["mends"])
        dried = pipeline.what_if(shifted(demo("01"), "quinoa", kitchen=kitchen), 60.0, None, None)["changed"]["verdict"]
        assert dried["code"] != "right" and there in dried["text"] and gone not in dried["text"]


def test_what_is_kept_hot_and_what_is_left_are_said_as_the_household_pours() -> None:
    for amounts, there, gone in (("cups", "cup", "ml"), ("metric", "ml", "cup")):
        script, key = evening(kitchen=Kitchen(manner=Manner(amounts)), lid="open")
        state = cooking.report(script, [], 0)
        [kettle] = [s for s in state["steps"] if s["kind"] == "kettle"]
        assert kettle["reserve_said"]["unit"] == there and kettle["reserve_ml"] == script.pots[key].kettle_ml > 0
        poured = [Event("a", "poured", 5, {"pot": key, "ml": 118})]
        [event] = cooking.report(script, poured, 6)["events"]
        assert event["text"].endswith(" more") and there in event["text"] and gone not in event["text"]
        left = [p["left"] for p in state["pots"][0]["curve"]]
        # the last drops are a spoon to nobody
        assert all(there in row and gone not in row and "tbsp" not in row for row in left if row[0] not in "051")
        assert there in left[0]
        told = pipeline.shift_report(shifted(demo("01"), "barley-pearl", kitchen=script.pots[key].kitchen))["pots"][0]
        assert there in told["water"]["about"] and gone not in told["water"]["about"]
        assert (there in told["jug"]["layers"][0]["label"]) == (amounts == "cups")


@settings(max_examples=80, deadline=None)
@given(
    st.sampled_from([g.slug for g in all_grains() if g.simmer]),
    st.floats(60, 900),
    st.sampled_from(["covered", "drain", "soup", "open", "steam"]),
    st.floats(0, 400),
)
def test_a_jug_holds_what_is_poured_and_what_is_there(slug: str, ml: float, way: str, wet: float) -> None:
    assume(way in grain(slug).methods)
    p = solve(grain(slug), ml, default_way(grain(slug), method=way), brought=(Brought("tomatoes", wet),))
    made = jug(report(p), p.grain.name, Manner(), Measures())
    of = {layer["key"]: layer["ml"] for layer in made["layers"]}
    assert of["grain"] == pytest.approx(0.6 * round_half_up(ml), abs=0.1)
    assert sum(of.get(k, 0) for k in ("drinks", "broth", "off")) == pytest.approx(p.pour_ml, abs=0.5)
    assert sum(of.values()) == pytest.approx(made["surface_ml"], abs=0.5)
    assert all(v >= 0 for v in of.values()) and made["surface_ml"] + made["reserve_ml"] < made["capacity_ml"] + 10
    assert 3 <= made["capacity_ml"] / made["tick_ml"] <= 40


def test_the_practice_pot_speaks_as_the_household_does() -> None:
    task = training.Task("quinoa", 240, 20.0, "open", 1.0)
    cups, plain = Kitchen(manner=Manner("cups")), Kitchen()
    assert training.told(task, plain) == (
        "240 ml of quinoa in a pot 20 cm wide, without a lid, to come out fluffy. Not soaked."
    )
    assert training.told(task, cups).startswith("1 cup of quinoa in a pot 8 inches wide")
    mine, theirs = (training.judge(task, 300.0, 14.0, k) for k in (plain, cups))
    assert "ml" in mine.said and "cup" in theirs.said and " ml" not in theirs.said
    assert any("cup" in why for why in theirs.why) and mine.pot.pour_ml == theirs.pot.pour_ml


def test_a_shift_kept_long_ago_has_its_jug() -> None:
    made = pipeline.shift_report(shifted(demo("01"), "quinoa"))["pots"]
    old = [{k: v for k, v in p.items() if k != "jug"} for p in made]
    assert pipeline.with_jugs(old, Manner(), Measures()) == made  # type: ignore[arg-type]


def test_the_words_of_the_recipe_stand_on_its_own_pots_card_and_no_others() -> None:
    script, _ = evening()
    [cook] = [s for s in script.steps if s.kind == "cook"]
    assert "simmer" in cook.words.lower()
    locked, _ = evening(method="electric-pressure")
    [cook] = [s for s in locked.steps if s.kind == "cook"]
    # the recipe's "simmer, covered" is not what a locked cooker does
    assert cook.words == ""


def test_a_pot_in_the_cooks_own_words_and_in_millilitres_is_one_pot() -> None:
    p = pot("foxtail-millet", 240.0, kitchen=Kitchen())
    ml, glass, grams = report(p), report(p, "measure", 200.0, "glass"), report(p, "g")
    assert ml["water"]["pour_ml"] == glass["water"]["pour_ml"] == grams["water"]["pour_ml"]
    assert ml["water"]["pour_said"] == {"amount": ml["water"]["jug_ml"], "unit": "ml"}
    assert glass["water"]["pour_said"]["unit"] == "glass"
    assert abs(glass["water"]["pour_said"]["amount"] * 200 - p.pour_ml) <= 25
    assert grams["water"]["pour_said"] == {"amount": 5 * round_half_up(p.pour_ml / 5), "unit": "g"}


def test_what_a_shift_says_is_said_once() -> None:
    data = pipeline.shift_report(shifted(demo("01"), "barley-pearl"))
    [p] = data["pots"]
    said = p["water"]["pour_said"]
    line = next(i["text"] for i in data["ingredients"] if i["role"] == "pot_liquid" and "stock" in i["text"].lower())
    assert str(said["amount"]).split(".")[0] in line or str(p["water"]["pour_ml"]) in line
