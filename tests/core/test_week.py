"""The week: as many as wanted, varied, in time, out of the larder; what to soak tonight and what to buy."""

from __future__ import annotations

from datetime import date, timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.pot import Kitchen
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice, shift
from mealshift.week import Meal, suggest, target, tonight
from mealshift.week.buying import shopping

from .kitchen import demo, shifted

MONDAY = date(2026, 11, 23)
DISHES = ("01", "02", "03", "05", "06", "07", "08")
KNOWN = ["foxtail-millet", "quinoa", "barley-pearl", "bulgur-coarse", "rice-brown-long", "little-millet"]


def meals(*days: int, minutes: int | None = None) -> list[Meal]:
    return [Meal(str(d), MONDAY + timedelta(days=d), read(demo(DISHES[d])), minutes) for d in days]


@settings(max_examples=25, deadline=None)
@given(
    st.sets(st.integers(0, 6), max_size=7),
    st.integers(0, 7),
    st.sampled_from([None, 30, 60]),
    st.lists(st.sampled_from(KNOWN), max_size=6),
)
def test_no_more_than_wanted_each_in_time_and_no_grain_twice_in_a_row(days, count, minutes, lately) -> None:
    got = suggest(meals(*days, minutes=minutes), count, Kitchen(), {}, lately)
    assert len(got) <= min(count, len(days)) and len({s.key for s in got}) == len(got)
    grains = [s.choice["blend"][1]["grain"] if s.choice.get("blend") else s.choice["to"] for s in got]
    assert len(set(grains)) == len(grains)
    for s in got:
        assert minutes is None or s.minutes - s.choice["soak_min"] <= minutes or s.choice.get("blend")
        assert s.reason.endswith(".")
        # a grain never cooked here comes in as a third of a blend, where the pot can be shared
        if s.choice.get("blend"):
            assert (
                lately
                and s.choice["blend"][1]["grain"] not in lately
                and s.choice["blend"][1]["share"] * 2 == s.choice["blend"][0]["share"]
            )


def test_what_is_in_the_larder_is_used() -> None:
    plain = suggest(meals(0), 1, Kitchen(), {}, KNOWN)
    other = next(g for g in ("quinoa", "foxtail-millet") if g != plain[0].choice["to"])
    stocked = suggest(meals(0), 1, Kitchen(), {other: 900.0}, KNOWN)
    assert stocked[0].choice["to"] == other and "it is in the larder" in stocked[0].reason


def test_how_many_grows_by_one_a_week_up_to_one_a_day() -> None:
    assert [target(2, True, MONDAY, MONDAY + timedelta(weeks=w), 7) for w in (0, 1, 3, 9)] == [2, 3, 5, 7]
    assert target(2, False, MONDAY, MONDAY + timedelta(weeks=9), 7) == 2 and target(7, True, MONDAY, MONDAY, 4) == 4
    with pytest.raises(Refusal):
        target(8, False, MONDAY, MONDAY, 7)


def test_tonights_soak_is_for_tomorrow_alone() -> None:
    made = shifted(demo("01"), "rice-brown-long", soak_min=480.0)
    rows = [(MONDAY + timedelta(days=1), "pilaf", made), (MONDAY + timedelta(days=2), "later pilaf", made)]
    assert tonight(rows, MONDAY) == [
        f"Soak {round(made.pot.dry_g)} g long-grain brown rice for tomorrow’s pilaf, 8 hours; in the fridge if the kitchen is warm."
    ]
    sprouted = shifted(demo("01"), "rice-brown-long", sprouted=True)
    assert "sprout" in tonight([(MONDAY + timedelta(days=2), "bowl", sprouted)], MONDAY)[0]


def test_shopping_is_what_the_larder_lacks_and_no_water() -> None:
    made = [("pilaf", shifted(demo("01"), "quinoa")), ("again", shifted(demo("01"), "quinoa"))]
    both = 2 * made[0][1].pot.dry_g
    bare = [w.text for w in shopping(made, {})]
    assert bare[0] == f"{50 * -(-int(both) // 50)} g quinoa" and not any("water" in t.lower() for t in bare)
    assert [w.for_ for w in shopping(made, {}) if "olive oil" in w.text] == [["pilaf", "again"]]
    assert not any("quinoa" in w.text for w in shopping(made, {"quinoa": both + 1}))
    # like is added to like: counted, weighed and poured each for itself
    other = read(
        "Pot\nServes 2\n1 cup basmati rice\n1 3/4 cups water\n1 large onion\n400 g passata\n1 Tbsp olive oil\n1. Bring to the boil, cover, simmer 12 minutes."
    )
    third = read(
        "Pan\nServes 2\n1 cup basmati rice\n1 3/4 cups water\n2 onions, sliced\n1 cup passata\n2 tbsp olive oil\n1. Bring to the boil, cover, simmer 12 minutes."
    )
    texts = [w.text for w in shopping([(d, shift(r, Choice("quinoa"))) for d, r in (("a", other), ("b", third))], {})]
    assert {"3 onions", "3 tbsp olive oil", "400 g + 1 cup passata"} <= set(texts)
    blend = shifted(demo("01"), "quinoa", blend=(("quinoa", 1.0), ("little-millet", 1.0)))
    assert {"quinoa", "little millet"} <= {w.text.split(" g ")[-1] for w in shopping([("mix", blend)], {})}
