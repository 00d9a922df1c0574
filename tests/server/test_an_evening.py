"""An evening by its actions, without HTTP: the plan in hand by versions, a cooking begun once, touches taken once and in order, stand-ins that read the pot."""

from __future__ import annotations

from datetime import timedelta
from typing import Any
from uuid import uuid4

import pytest
from django.utils import timezone

from mealshift.problems import Refusal
from mealshift_server.base.errors import Conflict
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.models import Kitchen
from mealshift_server.plans import actions as plans
from mealshift_server.plans import queries as plans_asked
from mealshift_server.plans.models import Cooking, Event, Tonight
from mealshift_server.recipes import actions as recipes
from mealshift_server.recipes.models import Recipe, Shift

PILAF = "Plain pilaf\nServes 4\n\n300 g long-grain rice\n600 ml water\n\n1. Bring all to the boil, cover and simmer 15 minutes. Rest 10 minutes.\n"
SALAD = "Tomato salad\n\n4 tomatoes\n1 onion\n\n1. Slice the tomatoes and the onion, 10 minutes.\n"


@pytest.fixture
def home(cook: User) -> Household:
    assert cook.household is not None
    return cook.household


@pytest.fixture
def shift(home: Household) -> Shift:
    recipe = recipes.keep_recipe(home, PILAF, [])
    return recipes.keep_shift(home, recipe, PILAF, [], {"to": "quinoa"})


@pytest.fixture
def side(home: Household) -> Recipe:
    return recipes.keep_recipe(home, SALAD, [])


def asked(hours: float = 2, **more: Any) -> dict[str, Any]:
    return {
        "serve_at": timezone.now() + timedelta(hours=hours),
        "now": timezone.now(),
        "zone": "UTC",
        "burners": None,
        "pinned": [],
        **more,
    }


def begun(home: Household, cook: User, *dishes: Shift | Recipe, **more: Any) -> Cooking:
    made, _ = plans.start_cooking(home, cook, uuid4().hex, list(dishes), asked(**more))
    return made


def touch(cooking: Cooking, kind: str, name: str, ago_ms: int = 0, **data: Any) -> plans.Taken:
    return plans.append(cooking, None, [{"id": name, "kind": kind, "data": data, "ago_ms": ago_ms}])


# -- the plan in hand ----------------------------------------------------------------------------------------------


def test_a_plan_is_changed_on_the_version_it_was_seen_in(home, cook, shift) -> None:
    assert plans_asked.tonight(home) == {"version": 0, "plan": None, "by": ""}
    at = timezone.now() + timedelta(hours=2)
    first = {"dishes": [{"key": str(shift.pk)}], "serve_at": at.isoformat()}
    made = plans.plan_tonight(home, cook, 0, first, at)
    assert (made["version"], made["by"], made["plan"]["dishes"]) == (1, "fen", [{"key": str(shift.pk)}])
    with pytest.raises(Conflict):
        plans.plan_tonight(home, cook, 0, first, at)
    again = plans.plan_tonight(home, cook, 1, {**first, "dishes": []}, at)
    assert (again["version"], again["plan"]["dishes"]) == (2, [])
    with pytest.raises(Conflict):
        plans.plan_tonight(home, cook, 1, first, at)


def test_a_plan_that_is_over_is_none_and_a_dish_that_is_gone_is_not_in_it(home, cook, shift, side) -> None:
    at = timezone.now() + timedelta(hours=2)
    plans.plan_tonight(
        home, cook, 0, {"dishes": [{"key": str(shift.pk)}, {"key": f"r{side.pk}"}], "serve_at": at.isoformat()}, at
    )
    side.delete()
    assert [d["key"] for d in plans_asked.tonight(home)["plan"]["dishes"]] == [str(shift.pk)]
    for late, there in ((timedelta(hours=2, minutes=59), True), (timedelta(hours=3, minutes=1), False)):
        Tonight.objects.update(serve_at=timezone.now() - late)
        assert (plans_asked.tonight(home)["plan"] is not None) == there


def test_dishes_are_found_by_their_keys_and_a_neighbours_are_not(home, neighbour, shift, side) -> None:
    found = plans_asked.dishes_by_key(home, [str(shift.pk), f"r{side.pk}", "99999", "r99999"])
    assert found == {str(shift.pk): shift, f"r{side.pk}": side}
    assert plans_asked.dishes_by_key(neighbour.household, [str(shift.pk), f"r{side.pk}"]) == {}
    assert [plans_asked.key_of(d) for d in (shift, side)] == [str(shift.pk), f"r{side.pk}"]
    # a recipe with a grain is no dish beside one
    plain = recipes.keep_recipe(home, PILAF.replace("Plain", "Another"), [])
    assert plans_asked.dishes_by_key(home, [f"r{plain.pk}"]) == {}


def test_another_grain_for_tonight_comes_from_no_bag_of_the_first(home, shift) -> None:
    shift.choice = {**shift.choice, "bag_id": 7, "factors": {"water": 1.2}, "took": [["a", 1]]}
    [as_kept] = plans_asked.dishes_of(home, [shift], {})
    assert as_kept["choice"]["bag_id"] == 7 and as_kept["choice"]["took"] is None
    [other] = plans_asked.dishes_of(home, [shift], {str(shift.pk): {"to": "barley-pearl", "soak_min": 0.0}})
    assert (other["choice"]["to"], other["choice"]["bag_id"], other["choice"]["factors"]) == (
        "barley-pearl",
        None,
        None,
    )
    [soaked] = plans_asked.dishes_of(home, [shift], {str(shift.pk): {"soak_min": 30.0}})
    assert soaked["choice"]["factors"] == {"water": 1.2} and soaked["choice"]["soak_min"] == 30.0


def test_the_kitchen_s_own_burners_unless_told_otherwise(home, shift) -> None:
    Kitchen.objects.create(household=home, burners=[1200.0])
    two = recipes.keep_shift(home, shift.recipe, PILAF.replace("Plain", "Second"), [], {"to": "barley-pearl"})
    crowded = plans_asked.plan(home, [shift, two], asked(hours=0.8))
    roomy = plans_asked.plan(home, [shift, two], asked(hours=0.8, burners=3))
    assert len(roomy.plan.problems) <= len(crowded.plan.problems)
    assert all(p.code in ("crowded", "too_late") for p in crowded.plan.problems)


# -- a cooking -----------------------------------------------------------------------------------------------------


def test_a_cooking_is_begun_once_by_its_client_and_once_by_its_dishes(home, cook, shift, side) -> None:
    made, new = plans.start_cooking(home, cook, "phone-1", [shift], asked())
    assert new and made.dishes[0]["key"] == str(shift.pk) and made.dishes[0]["choice"]["pot_cm"]
    assert plans.start_cooking(home, cook, "phone-1", [shift], asked()) == (made, False)
    assert plans.start_cooking(home, cook, "tablet-1", [shift], asked()) == (made, False)
    both, new = plans.start_cooking(home, cook, "tablet-2", [shift, side], asked())
    assert new and both != made and {d["key"] for d in both.dishes} == {str(shift.pk), f"r{side.pk}"}
    # one that is over is begun anew
    Cooking.objects.filter(pk=made.pk).update(ended=timezone.now())
    assert plans.start_cooking(home, cook, "phone-2", [shift], asked())[1]


@pytest.mark.parametrize("speed", [0, 2, 61, -1])
def test_practice_runs_at_ten_or_sixty_times(home, cook, shift, speed) -> None:
    with pytest.raises(Refusal) as said:
        plans.start_cooking(home, cook, "x", [shift], asked(), speed)
    assert said.value.problem.where == "speed" and not Cooking.objects.exists()


def test_practice_waits_for_no_evening(home, cook, shift) -> None:
    made, _ = plans.start_cooking(home, cook, "x", [shift], asked(hours=8), 60)
    real, _ = plans.start_cooking(home, cook, "y", [shift], asked(hours=8))
    assert made.serve_at < timezone.now() + timedelta(hours=2) < real.serve_at or made == real
    assert made.speed == 60 and plans_asked.minute_of(made, made.began + timedelta(seconds=2)) == pytest.approx(2.0)
    assert plans_asked.minute_of(made, made.began - timedelta(seconds=2)) == 0.0


def test_a_touch_is_taken_once_however_often_it_is_sent(home, cook, shift) -> None:
    cooking = begun(home, cook, shift)
    boil = next(s for s in plans_asked.script_of(cooking).steps if s.kind == "boil")
    assert touch(cooking, "begun", "t1", step=boil.id).new == 1
    assert touch(cooking, "begun", "t1", step=boil.id).new == 0
    assert Event.objects.filter(cooking=cooking).count() == 1


def test_one_touch_that_cannot_be_is_refused_alone(home, cook, shift) -> None:
    cooking = begun(home, cook, shift)
    boil = next(s for s in plans_asked.script_of(cooking).steps if s.kind == "boil")
    taken = plans.append(
        cooking,
        cook,
        [
            {"id": "good", "kind": "begun", "data": {"step": boil.id}, "ago_ms": 0},
            {"id": "bad", "kind": "begun", "data": {"step": "no such step"}, "ago_ms": 0},
            {"id": "worse", "kind": "dance", "data": {}, "ago_ms": 0},
            {"id": "note", "kind": "note", "data": {"text": "less fire"}, "ago_ms": 0},
        ],
    )
    assert taken.new == 2 and [name for name, _ in taken.refused] == ["bad", "worse"]
    assert all(problem.text.strip() for _, problem in taken.refused)
    assert set(Event.objects.filter(cooking=cooking).values_list("client_id", flat=True)) == {"good", "note"}
    with pytest.raises(Refusal):
        plans.append_one(cooking, cook, {"id": "x", "kind": "dance", "data": {}, "ago_ms": 0})


def test_touches_keep_their_order_whatever_a_clock_says(home, cook, shift) -> None:
    cooking = begun(home, cook, shift)
    Cooking.objects.filter(pk=cooking.pk).update(began=timezone.now() - timedelta(minutes=30))
    cooking.refresh_from_db()
    touch(cooking, "note", "now", text="at minute thirty")
    # a clock that was set back sends it as of just now: no earlier than what is written down
    touch(cooking, "note", "again", ago_ms=2900, text="just now")
    by = dict(Event.objects.filter(cooking=cooking).values_list("client_id", "minute"))
    assert by["again"] >= by["now"] == pytest.approx(30, abs=0.2)
    # one that waited without a network is told for when it was
    touch(cooking, "note", "waited", ago_ms=10 * 60_000, text="ten minutes ago")
    assert Event.objects.get(client_id="waited").minute == pytest.approx(20, abs=0.2)
    # nothing was done before it began, or in the future
    touch(cooking, "note", "early", ago_ms=999 * 60_000, text="long ago")
    touch(cooking, "note", "ahead", ago_ms=-5 * 60_000, text="soon")
    later = dict(Event.objects.filter(cooking=cooking).values_list("client_id", "minute"))
    assert later["early"] == 0.0 and later["ahead"] == pytest.approx(30, abs=0.3)


def test_a_cooking_ends_with_its_last_touch_and_lives_again_when_that_is_taken_back(home, cook, side) -> None:
    cooking = begun(home, cook, side)
    steps = [s for s in plans_asked.script_of(cooking).steps if s.style != "remind"]
    for n, s in enumerate(steps):
        touch(cooking, "done", f"d{n}", step=s.id)
    cooking.refresh_from_db()
    assert cooking.ended is not None
    touch(cooking, "undo", "u", event=f"d{len(steps) - 1}")
    cooking.refresh_from_db()
    assert cooking.ended is None


def test_a_dinner_has_only_so_many_touches(home, cook, side, monkeypatch) -> None:
    monkeypatch.setattr(plans, "MOST_EVENTS", 3)
    cooking = begun(home, cook, side)
    for n in range(3):
        touch(cooking, "note", f"n{n}", text="x")
    with pytest.raises(Refusal):
        touch(cooking, "note", "n3", text="x")
    assert Event.objects.filter(cooking=cooking).count() == 3


def test_the_state_is_short_while_nothing_has_come(home, cook, side) -> None:
    cooking = begun(home, cook, side)
    first = plans_asked.state(cooking, None)
    assert first["state"]["steps"] and first["last"] == 0
    assert plans_asked.state(cooking, 0)["state"] is None
    touch(cooking, "note", "n", text="x")
    fresh = plans_asked.state(cooking, 0)
    assert [n["text"] for n in fresh["state"]["notes"]] == ["x"] and plans_asked.state(cooking, fresh["last"])[
        "state"
    ] is None


def test_one_that_runs_by_itself_makes_its_own_touches_until_it_is_told_to_stop(home, cook, shift) -> None:
    cooking = begun(home, cook, shift)
    Cooking.objects.filter(pk=cooking.pk).update(began=timezone.now() - timedelta(hours=3))
    cooking.refresh_from_db()
    plans.run_alone(cooking)
    assert not Event.objects.filter(cooking=cooking).exists()
    plans.set_alone(cooking, True)
    plans.run_alone(cooking)
    assert Event.objects.filter(cooking=cooking, kind="done").exists()
    plans.set_alone(cooking, False)
    have = Event.objects.filter(cooking=cooking).count()
    plans.run_alone(cooking)
    assert Event.objects.filter(cooking=cooking).count() == have


def test_the_stand_ins_read_the_pot_that_is_on(home, cook, shift) -> None:
    cooking = begun(home, cook, shift)
    for kind in ("scale", "probe"):
        with pytest.raises(Refusal):
            plans_asked.stand_in_reading(cooking, None, kind)
    script = plans_asked.script_of(cooking)
    boil = next(s for s in script.steps if s.kind == "boil")
    Cooking.objects.filter(pk=cooking.pk).update(began=timezone.now() - timedelta(minutes=60))
    cooking.refresh_from_db()
    plans.append(cooking, cook, [{"id": "on", "kind": "begun", "data": {"step": boil.id}, "minute": 30.0}])
    [key] = script.pots
    pot, grams = plans_asked.stand_in_reading(cooking, None, "scale")
    assert pot == key and 300 < grams < 3000
    assert plans_asked.stand_in_reading(cooking, key, "probe")[1] > 60
    with pytest.raises(Refusal):
        plans_asked.stand_in_reading(cooking, "another pot", "scale")
    assert plans.take_reading(cooking, cook, "w1", None, "scale", grams) == key
    assert plans.take_reading(cooking, cook, "p1", key, "probe", 96.5) == key
    kinds = dict(Event.objects.filter(cooking=cooking).values_list("client_id", "kind"))
    assert (kinds["w1"], kinds["p1"]) == ("weighed", "probed")
