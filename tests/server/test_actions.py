"""Changes of state one by one, as every entry point uses them: bounds said in a sentence, nothing of a neighbour's taken, counts that never go below nothing."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

import pytest
from django.utils import timezone

from mealshift.problems import Refusal
from mealshift_server.households import actions as house
from mealshift_server.households.models import Household, Invite, User
from mealshift_server.kitchen import actions as kitchen
from mealshift_server.kitchen import queries as kitchen_asked
from mealshift_server.kitchen.models import Pot, Took
from mealshift_server.larder import actions as larder
from mealshift_server.larder import queries as larder_asked
from mealshift_server.larder.models import Bag, Left
from mealshift_server.notebook import actions as notebook
from mealshift_server.notebook import queries as notebook_asked
from mealshift_server.notebook.models import Entry
from mealshift_server.recipes import actions as recipes
from mealshift_server.week import actions as week
from mealshift_server.week import queries as week_asked
from mealshift_server.week.models import Meal

RICE = "Plain rice\nServes 4\n\n300 g long-grain rice\n600 ml water\n\n1. Bring all to the boil, cover and simmer 15 minutes. Rest 10 minutes.\n"
MONDAY = date(2026, 11, 23)


def refused(at: str, do: Callable[[], Any]) -> str:
    """The sentence of a refusal at that field."""
    with pytest.raises(Refusal) as said:
        do()
    assert said.value.problem.where == at
    text: str = said.value.problem.text
    assert text[-1] in ".!" and text[:1] in text[:1].upper()
    return text


@pytest.fixture
def home(cook: User) -> Household:
    assert cook.household is not None
    return cook.household


@pytest.fixture
def other(neighbour: User) -> Household:
    assert neighbour.household is not None
    return neighbour.household


# -- the household -------------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("name", "ml", "cup", "at"),
    [
        ("", 240, None, "measure_name"),
        ("   ", 240, None, "measure_name"),
        ("x" * 21, 240, None, "measure_name"),
        ("mug", 19.9, None, "measure_ml"),
        ("mug", 2000.1, None, "measure_ml"),
        ("mug", 240, 49.9, "cup_ml"),
        ("mug", 240, 1000.5, "cup_ml"),
    ],
)
def test_a_measure_that_cannot_be_is_refused_and_the_old_one_stays(home, name, ml, cup, at) -> None:
    refused(at, lambda: house.set_measure(home, name, ml, cup))
    home.refresh_from_db()
    assert (home.measure_name, home.measure_ml, home.cup_ml) == ("glass", 240.0, 237.0)


@pytest.mark.parametrize(("name", "ml", "cup"), [("x" * 20, 20, 50), ("mug", 2000, 1000), (" tin ", 300, None)])
def test_a_measure_at_the_edge_is_kept(home, name, ml, cup) -> None:
    house.set_measure(home, name, ml, cup)
    home.refresh_from_db()
    assert (home.measure_name, home.measure_ml, home.cup_ml) == (name.strip(), ml, cup or 237.0)


def test_an_invitation_opens_once_for_a_week_and_only_so_many_are_out(home) -> None:
    token, until = house.invite(home)
    assert timedelta(days=6) < until - timezone.now() <= house.INVITED_FOR and len(token) >= 30
    joined = house.join(token, "marigold", "an-oven-at-noon-7")
    assert joined.household == home and joined.check_password("an-oven-at-noon-7")
    refused("token", lambda: house.join(token, "second", "an-oven-at-noon-7"))
    refused("token", lambda: house.join("made up", "third", "an-oven-at-noon-7"))
    out = [house.invite(home)[0] for _ in range(house.MOST_INVITES)]
    refused("", lambda: house.invite(home))
    # one that is out of date makes room, and lets nobody in
    Invite.objects.filter(household=home).update(until=timezone.now() - timedelta(seconds=1))
    refused("token", lambda: house.join(out[0], "late", "an-oven-at-noon-7"))
    assert house.invite(home) and Invite.objects.filter(household=home).count() == 1


def test_the_last_member_stays_and_an_end_wants_the_name(home, cook) -> None:
    refused("", lambda: house.remove_member(cook))
    second = User.objects.create(username="second", household=home)
    house.remove_member(second)
    assert list(User.objects.filter(household=home)) == [cook]
    refused("name", lambda: house.delete_household(home, "Fennel"))
    house.delete_household(home, " Fennel Row ")
    assert not Household.objects.filter(name="Fennel Row").exists() and not User.objects.filter(pk=cook.pk).exists()


# -- the kitchen ---------------------------------------------------------------------------------------------------

OWN = {
    "burners": [1200.0],
    "oven_places": 1,
    "microwave_w": 800.0,
    "altitude_m": 0.0,
    "room_c": 20.0,
    "whistle_min": 2.5,
    "jar_ml": 500.0,
    "rice_cooker": False,
    "pressure_cooker": False,
    "electric_pressure": False,
    "slow_cooker": False,
    "steamer": True,
    "time_zone": "Europe/Lisbon",
}


@pytest.mark.parametrize(
    ("field", "value", "at"),
    [
        ("burners", [], "burners"),
        ("burners", [1200.0] * 9, "burners"),
        ("burners", [5.0], "burner_w"),
        ("oven_places", -1, "oven_places"),
        ("oven_places", 7, "oven_places"),
        ("altitude_m", 9000.0, "altitude"),
        ("room_c", 60.0, "room_c"),
        ("time_zone", "Mars/Olympus", "time_zone"),
    ],
)
def test_a_kitchen_that_cannot_be_is_named_by_its_field(home, field, value, at) -> None:
    kitchen.set_kitchen(home, OWN)
    text = refused(at, lambda: kitchen.set_kitchen(home, {**OWN, field: value}))
    assert len(text) > 20 and kitchen_asked.kitchen_row(home).burners == [1200.0]


def test_a_kitchen_at_its_edges_and_what_comes_in_later(home) -> None:
    row = kitchen.set_kitchen(home, {**OWN, "burners": [800.0] * 8, "oven_places": 0})
    assert (
        len(row.burners) == 8
        and home.time_zone == "Europe/Lisbon"
        and "rice cooker" not in (kitchen_asked.owned(row) or ())
    )
    refused("name", lambda: kitchen.add_appliance(home, "toaster"))
    assert "rice cooker" in (kitchen_asked.owned(kitchen.add_appliance(home, "rice cooker")) or ())
    assert kitchen_asked.kitchen_row(home).oven_places == 0


POT = {"name": "the blue one", "diameter_cm": 22.0, "litres": 3.0, "lid": "tight"}


def test_an_appliance_comes_into_a_kitchen_that_nobody_drew_yet(home, other) -> None:
    assert kitchen_asked.kitchen_row(home) is None
    made = kitchen.add_appliance(home, "rice cooker")
    assert (made.household, made.rice_cooker, len(made.burners)) == (home, True, 2)
    again = kitchen.add_appliance(home, "microwave")
    assert (again.pk, again.rice_cooker, again.microwave_w) == (made.pk, True, 800.0)
    assert (kitchen_asked.owned(made), kitchen_asked.owned(again)) == (
        ("rice cooker",),
        ("rice cooker", "microwave"),
    )
    assert kitchen_asked.kitchen_row(other) is None
    refused("name", lambda: kitchen.add_appliance(home, "samovar"))


def test_pots_have_short_names_and_a_new_width_forgets_the_test(home) -> None:
    pot = kitchen.add_pot(home, POT)
    for bad, at in (
        ({"name": " "}, "name"),
        ({"name": "x" * 41}, "name"),
        ({"diameter_cm": 2.0}, "pot_cm"),
        ({"lid": "x"}, "pot_lid"),
    ):
        refused(at, lambda bad=bad: kitchen.change_pot(pot, {**POT, **bad}))
    found = kitchen.test_boil_off(pot, 1000, 900, 10, "ordinary", False)
    pot.refresh_from_db()
    assert pot.boil_off == 1.0 and pot.test is None and found.factor > 0
    kitchen.test_boil_off(pot, 1000, 900, 10, "ordinary", True)
    pot.refresh_from_db()
    assert pot.boil_off == round(found.factor, 3) != 1.0 and pot.test["minutes"] == 10
    kitchen.change_pot(pot, {**POT, "name": "x" * 40})
    assert pot.test is not None
    kitchen.change_pot(pot, {**POT, "diameter_cm": 24.0})
    assert pot.boil_off == 1.0 and pot.test is None
    Pot.objects.bulk_create(Pot(household=home, **POT) for _ in range(kitchen.MOST_POTS - 1))
    refused("name", lambda: kitchen.add_pot(home, POT))


def test_which_pot_is_meant(home, other) -> None:
    theirs = kitchen.add_pot(other, POT)
    assert kitchen_asked.pot_of(home, {}) is None and kitchen_asked.pot_of(home, {"pot_id": theirs.pk}) is None
    first, second = kitchen.add_pot(home, POT), kitchen.add_pot(home, {**POT, "diameter_cm": 28.0})
    assert kitchen_asked.pot_of(home, {}) == first and kitchen_asked.pot_of(home, {"pot_id": second.pk}) == second
    assert kitchen_asked.pot_of(home, {"pot_cm": 20.0}) is None
    assert kitchen_asked.core_kitchen(home, {"pot_id": second.pk}).pot_cm == 28.0
    # what is given goes before what the pot is
    assert kitchen_asked.core_kitchen(home, {"pot_id": second.pk, "pot_cm": 18.0}).pot_cm == 18.0
    frozen = kitchen_asked.frozen(home, {"to": "quinoa", "pot_id": second.pk})
    kitchen.change_pot(second, {**POT, "diameter_cm": 16.0})
    assert kitchen_asked.core_kitchen(home, frozen).pot_cm == 28.0


def test_of_what_took_long_only_the_last_are_kept_and_only_ones_own(home, other) -> None:
    kitchen.note_took(other, [("by:until soft", 30.0)] * 3)
    kitchen.note_took(home, [("by:until soft", float(n)) for n in range(1, kitchen.KEPT_OF_EACH + 4)])
    assert Took.objects.filter(household=home).count() == kitchen.KEPT_OF_EACH
    assert min(Took.objects.filter(household=home).values_list("value", flat=True)) == 4.0
    assert dict(kitchen_asked.took_here(other)) == {"by:until soft": 30.0}
    kitchen.forget_took(home)
    assert kitchen_asked.took_here(home) == () and kitchen_asked.took_here(other) != ()


@pytest.mark.parametrize(
    ("name", "kind", "at"), [(" ", "scale", "name"), ("x" * 41, "probe", "name"), ("hob", "camera", "kind")]
)
def test_a_device_is_a_scale_or_a_probe_with_a_name(home, name, kind, at) -> None:
    refused(at, lambda: kitchen.add_device(home, name, kind))
    device, key = kitchen.add_device(home, "x" * 40, "probe")
    assert key not in (device.key_digest, device.name) and len(key) >= 30


# -- the larder ----------------------------------------------------------------------------------------------------


def test_a_bag_never_holds_less_than_nothing_and_is_open_once_used(home) -> None:
    bag = larder.add(home, "quinoa 500 g")
    assert (bag.grain, bag.grams, bag.full_g, bag.opened) == ("quinoa", 500.0, 500.0, None)
    larder.take(bag, 120.0)
    bag.refresh_from_db()
    opened = bag.opened
    assert bag.grams == 380.0 and opened is not None
    larder.take(bag, 1000.0)
    bag.refresh_from_db()
    assert bag.grams == 0.0 and bag.opened == opened
    assert larder.change(bag, {"grams": 750.0}).full_g == 750.0 and larder.change(bag, {"grams": 10.0}).full_g == 750.0


def test_the_bag_a_pot_is_taken_from(home, other) -> None:
    theirs = larder.add(other, "quinoa 1 kg")
    assert (
        larder_asked.bag_for(home, "quinoa", None) is None and larder_asked.bag_for(home, "quinoa", theirs.pk) is None
    )
    empty, full = larder.add(home, "quinoa 100 g"), larder.add(home, "quinoa 400 g")
    larder.take(empty, 100.0)
    assert (
        larder_asked.bag_for(home, "quinoa", None) == full and larder_asked.bag_for(home, "quinoa", empty.pk) == empty
    )
    assert larder_asked.bag_for(home, "barley-pearl", None) is None
    Bag.objects.bulk_create(
        Bag(household=home, grain="quinoa", name="quinoa", grams=1.0, full_g=1.0) for _ in range(larder.MOST_BAGS - 2)
    )
    refused("line", lambda: larder.add(home, "quinoa 1 kg"))


def test_left_overs_are_counted_moved_and_gone(home) -> None:
    now = timezone.now()
    for name, portions, served, at in (
        (" ", 2, now, "name"),
        ("pilaf", 0, now, "portions"),
        ("pilaf", 41, now, "portions"),
        ("pilaf", 2, now + timedelta(minutes=6), "served"),
    ):
        refused(at, lambda n=name, p=portions, s=served: larder.leave(home, n, "quinoa", p, s))
    left = larder.leave(home, "pilaf", "quinoa", 40, now + timedelta(minutes=4))
    refused("portions", lambda: larder.move(left, "fridge", 41))
    larder.move(left, "fridge", 3)
    assert (left.place, left.portions) == ("fridge", 3) and len(left.moves) == 1
    larder.move(left, "freezer", None)
    assert (left.place, left.portions) == ("freezer", 3)
    assert larder.leave(home, "pilaf", "quinoa", 1, now).portions == 1
    # nothing left of it is gone, wherever it was put
    assert larder.move(left, "fridge", 0).place == "gone" and Left.objects.get(pk=left.pk).portions == 0


# -- the notebook --------------------------------------------------------------------------------------------------


def wrote(home: Household, **more: Any) -> Entry:
    return notebook.add(home, None, {"dish": "plain quinoa", "grain": "quinoa", "amount": "200 g", **more})


@pytest.mark.parametrize(
    ("field", "low", "high"),
    [("wet", -2, 2), ("soft", -2, 2), ("stars", 1, 5), ("poured_ml", 1, 60000), ("taken_min", 0.5, 600)],
)
def test_how_it_came_out_has_bounds(home, field, low, high) -> None:
    entry = wrote(home)
    for beyond in (low - 0.5, high + 0.5):
        refused(field, lambda b=beyond: notebook.change(entry, {field: b}))
    for edge in (low, high):
        assert getattr(notebook.change(entry, {field: edge}), field) == edge
    assert getattr(notebook.change(entry, {field: None}), field) is None


def test_an_entry_is_of_a_day_that_has_been_and_says_what_it_was(home) -> None:
    refused("dish", lambda: wrote(home, dish=" "))
    refused("grain", lambda: wrote(home, grain=""))
    tomorrow = timezone.now().date() + timedelta(days=2)
    entry = wrote(home)
    refused("on", lambda: notebook.change(entry, {"on": tomorrow}))
    assert (
        notebook.change(entry, {"word": " x" * 100, "note": "n" * 3000}).word == ("x " * 60).strip()[:120]
        or len(entry.word) <= 120
    )
    assert len(entry.note) == 2000 and entry.grain == "quinoa" and entry.predicted["dry_g"] == 200


def test_what_is_looked_for_is_found_in_dish_word_note_and_grain_and_only_ones_own(home, other) -> None:
    notebook.change(wrote(home, dish="Saffron pan"), {"word": "soft", "note": "less water next time"})
    wrote(home, dish="Stuffed peppers", grain="barley-pearl")
    wrote(other, dish="Saffron pan")
    found = lambda *said: [e.dish for e in notebook_asked.found(home, *said)]  # noqa: E731
    assert found("saffron", "", "") == found("SOFT water", "", "") == ["Saffron pan"]
    assert found("barley", "", "") == found("", "barley-pearl", "") == ["Stuffed peppers"]
    assert found("saffron peppers", "", "") == [] == found("", "", "a pot nobody has")
    # what comes after the eighth word is not looked for
    assert found("saffron " * 8 + "peppers", "", "") == ["Saffron pan"]
    assert found("saffron " * 7 + "peppers", "", "") == []


def test_a_table_comes_back_as_it_went_out(home, other) -> None:
    notebook.change(
        wrote(home), {"poured_ml": 410.0, "taken_min": 17.0, "wet": 1, "soft": -1, "stars": 4, "word": "nutty"}
    )
    wrote(home, dish="second")
    table = notebook_asked.to_csv(home)
    assert notebook.from_csv(other, None, table, False) == (2, [])
    mine, theirs = (list(Entry.objects.filter(household=h).order_by("dish")) for h in (home, other))
    for a, b in zip(mine, theirs, strict=True):
        for field in ("dish", "grain", "on", "poured_ml", "taken_min", "wet", "soft", "stars", "word"):
            assert getattr(a, field) == getattr(b, field), field
        # and what the household was told then
        assert (a.predicted["pour_ml"], a.predicted["cook_min"]) == (b.predicted["pour_ml"], b.predicted["cook_min"])
    spoilt = (
        table.replace("quinoa", "moonstone", 1)
        if "second" not in table.splitlines()[1]
        else table.replace("second", "", 1)
    )
    taken, problems = notebook.from_csv(other, None, spoilt, False)
    assert taken == 0 and problems and Entry.objects.filter(household=other).count() == 2
    taken, problems = notebook.from_csv(other, None, spoilt, True)
    assert taken == 1 and len(problems) == 1


# -- the week ------------------------------------------------------------------------------------------------------


def test_three_meals_a_day_and_a_cook_of_the_house(home, other, cook, neighbour) -> None:
    recipe, theirs = (recipes.keep_recipe(h, RICE, []) for h in (home, other))
    # what the neighbours eat on that day takes none of ours
    eaten = [week.put_on(other, theirs, MONDAY) for _ in range(3)]
    day = [week.put_on(home, recipe, MONDAY) for _ in range(3)]
    refused("on", lambda: week.put_on(home, recipe, MONDAY))
    meal = day[0]
    refused("cook_id", lambda: week.change(meal, {"cook_id": neighbour.pk}))
    assert week.change(meal, {"cook_id": cook.pk}).cook == cook and week.change(meal, {"cook_id": None}).cook is None
    for beyond in (4, 601):
        refused("minutes", lambda b=beyond: week.change(meal, {"minutes": b}))
    assert week.change(meal, {"minutes": 5}).minutes == 5 and week.change(meal, {"minutes": None}).minutes is None
    refused("", lambda: week.keep(meal))
    assert [m.pk for m in week_asked.meals(other, MONDAY)] == [m.pk for m in eaten]


def test_double_wants_to_know_for_how_many_and_undoes_what_was_kept(home) -> None:
    meal = week.put_on(home, recipes.keep_recipe(home, RICE, []), MONDAY)
    meal.choice = {"to": "quinoa"}
    meal.save()
    kept = week.keep(meal)
    assert meal.shift == kept and week.keep(meal) == kept
    assert week.change(meal, {"double": False}).shift == kept
    assert week.change(meal, {"double": True}).shift is None
    assert week.keep(meal).choice["servings"] == 8
    nameless = week.put_on(home, recipes.keep_recipe(home, RICE.replace("Serves 4\n", ""), []), MONDAY)
    refused("double", lambda: week.change(nameless, {"double": True}))
    back = week.change(meal, {"shifted": False})
    assert (back.choice, back.reason, back.shift) == (None, "", None)


def test_as_last_week_puts_the_same_days_once_and_as_rice(home, cook) -> None:
    refused("", lambda: week.as_last_week(home, MONDAY))
    recipe = recipes.keep_recipe(home, RICE, [])
    old = week.put_on(home, recipe, MONDAY - timedelta(days=12))
    old.choice, old.minutes, old.cook = {"to": "quinoa"}, 40, cook
    old.save()
    assert week.as_last_week(home, MONDAY) == 1 and week.as_last_week(home, MONDAY) == 0
    [made] = week_asked.meals(home, MONDAY)
    # a Wednesday stays a Wednesday
    assert made.on.weekday() == old.on.weekday() == 2 and made.choice is None
    assert (made.recipe, made.minutes, made.cook) == (recipe, 40, cook)
    assert [m.pk for m in week_asked.meals(home, week_asked.start_of(old.on))] == [old.pk] and Meal.objects.count() == 2


def test_suggestions_are_for_days_to_come_and_for_as_many_as_are_wanted(home) -> None:
    recipe = recipes.keep_recipe(home, RICE, [])
    week.set_pace(home, 2, False)
    thursday = MONDAY + timedelta(days=3)
    assert "as many" in refused("", lambda: week.suggest(home, MONDAY, thursday)).lower()
    gone = week.put_on(home, recipe, MONDAY)
    assert "have passed" in refused("", lambda: week.suggest(home, MONDAY, thursday))
    tonight, later = (week.put_on(home, recipe, thursday + timedelta(days=n)) for n in (0, 2))
    week.suggest(home, MONDAY, thursday)
    for m in (gone, tonight, later):
        m.refresh_from_db()
    # today is not over
    assert gone.choice is None and tonight.choice and tonight.reason and later.choice
    # two dishes, two grains
    assert tonight.choice["to"] != later.choice["to"]
    week.put_on(home, recipe, thursday + timedelta(days=3))
    assert "shifted already" in refused("", lambda: week.suggest(home, MONDAY, thursday))


@pytest.mark.parametrize("day", [date(1999, 12, 31), date(2201, 1, 1)])
def test_a_week_out_of_the_calendar(day) -> None:
    refused("day", lambda: week_asked.start_of(day))


def test_a_week_has_seven_days(home) -> None:
    recipe = recipes.keep_recipe(home, RICE, [])
    first, last, _ = (week.put_on(home, recipe, MONDAY + timedelta(days=n)) for n in (0, 6, 7))
    assert week_asked.meals(home, MONDAY) == [first, last]


def test_weeks_begin_on_monday() -> None:
    assert {week_asked.start_of(MONDAY + timedelta(days=n)) for n in range(7)} == {MONDAY}
    assert week_asked.start_of(MONDAY + timedelta(days=7)) == MONDAY + timedelta(days=7)
    assert week_asked.start_of(date(2000, 1, 3)) == date(2000, 1, 3)


def test_what_is_in_the_larder_is_summed_by_grain(home, other) -> None:
    for line in ("quinoa 300 g", "quinoa 200 g", "pearl barley 1 kg"):
        larder.add(home, line)
    larder.add(other, "quinoa 5 kg")
    assert week_asked.larder_of(home) == {"quinoa": 500.0, "barley-pearl": 1000.0}
