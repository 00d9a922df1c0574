"""The tasks of a dinner one by one: what each takes, what it waits for, who is left out when time is short, and what is offered instead."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from mealshift import comparing
from mealshift.planning import Dish, Task, make_plan, plan_dinner, tasks_of
from mealshift.planning.schedule import LONGEST_MIN, before, critical_minutes, left_out, minutes_from
from mealshift.planning.tasks import BEANS_BOIL_MIN, BEANS_SOAK_MIN, WARM_MIN
from mealshift.pot import Kitchen
from mealshift.pot.account import said_minutes
from mealshift.reading import read
from mealshift.shifting import Choice, shift
from mealshift.shifting.beside import early, raw_later

from .kitchen import demo, shifted

SEVEN = datetime(2026, 11, 25, 19, 0)
POT = "Bean pot\n\nServes 4\n\n300 g long-grain rice\n700 ml water\n{beans}\n1 tsp salt\n\n1. Put everything in a pot, bring to the boil, cover and simmer 16 minutes.\n2. Rest, covered, 10 minutes.\n"


def task(name: str, minutes: int, *after: str) -> Task:
    return Task(name, name, "dish", minutes, 0, "", after)


def test_the_shortest_time_is_that_of_the_longest_chain() -> None:
    assert critical_minutes([]) == 0
    assert critical_minutes([task("a", 5), task("b", 7)]) == 7
    # what waits for two waits for the later one
    assert critical_minutes([task("a", 5), task("b", 20), task("c", 10, "a", "b")]) == 30
    assert critical_minutes([task("a", 5), task("b", 20, "a"), task("c", 1, "a")]) == 25


def test_who_is_left_out_when_there_is_no_time_at_all_or_just_enough() -> None:
    dishes = {"one": [task("one/a", 10)], "long": [task("long/a", 40)]}
    at = lambda minutes: left_out(dishes, SEVEN, SEVEN - timedelta(minutes=minutes), 2, 2)  # noqa: E731
    assert at(0) == ["one", "long"] and at(9) == ["one", "long"]
    assert at(10) == ["long"] and at(39) == ["long"] and at(40) == []
    assert left_out({"tiny": [task("t", 1)]}, SEVEN, SEVEN - timedelta(minutes=1), 1, 1) == []
    # without a now, any time before will do
    assert left_out(dishes, SEVEN, None, 1, 1) == []


@pytest.mark.parametrize(
    ("line", "soaked"),
    [
        ("200 g dried kidney beans", True),
        ("200 g dried kidney beans, soaked overnight", False),
        # the one that is soaked does not soak the other
        ("200 g dried kidney beans, soaked overnight\n100 g dried kidney beans", True),
    ],
)
def test_dry_kidney_beans_are_soaked_unless_they_are_and_always_boiled_hard(line: str, soaked: bool) -> None:
    tasks = {t.id: t for t in tasks_of(shifted(POT.format(beans=line), "barley-pearl"), "d") if t.kind == "beans"}
    assert ("d/beans1" in tasks) == soaked
    boil = tasks["d/beans2"]
    assert boil.minutes >= BEANS_BOIL_MIN == 10 and boil.resource == "burner" and 0 < boil.hands_on <= 5
    if soaked:
        soak = tasks["d/beans1"]
        assert soak.minutes == BEANS_SOAK_MIN == 8 * 60 and soak.resource == "" and boil.after == (soak.id,)
        assert "throw that water away" in soak.what and 0 < soak.hands_on <= 5
    else:
        assert boil.after == ()


def test_what_is_cooked_ahead_is_cooled_as_long_as_its_way_says_and_warmed_in_a_few_minutes() -> None:
    made = shifted(demo("01"), "barley-pearl", method="cook-ahead")
    tasks = {t.kind: t for t in tasks_of(made, "d")}
    assert tasks["cool"].minutes + tasks["warm"].minutes == round(made.pot.rest_min)
    assert tasks["warm"].minutes == WARM_MIN and tasks["warm"].after == (tasks["cool"].id,)
    assert tasks["warm"].resource == "burner" and tasks["cool"].resource == ""
    # spread out and put away by hand, then it cools by itself
    assert (tasks["cool"].hands_on, tasks["warm"].hands_on) == (2, WARM_MIN)


def late(minutes: int, **choice) -> tuple[Dish, object]:
    dish = Dish("k", read(demo("01")), Choice("rice-brown-long", **choice))
    return dish, plan_dinner([dish], SEVEN, SEVEN - timedelta(minutes=minutes), 3)


def test_a_later_hour_is_the_next_one_that_makes_it_and_costs_no_other_dish() -> None:
    dish, dinner = late(20)
    [ways] = dinner.ways_out.values()
    [later] = [w for w in ways if w.kind == "later"]
    assert later.serve_at is not None and later.serve_at > SEVEN and later.serve_at.minute % 5 == 0
    now = SEVEN - timedelta(minutes=20)
    assert not plan_dinner([dish], later.serve_at, now, 3).ways_out
    # sooner than its longest chain of work no hour is named
    shortest = timedelta(minutes=critical_minutes(tasks_of(dinner.shifts[next(iter(dinner.ways_out))], "d")))
    assert now + shortest <= later.serve_at <= now + shortest + timedelta(minutes=60)
    # another dish that makes it at seven is still in the plan at that hour
    quick = Dish("q", read(demo("05")), Choice("bulgur-fine"))
    both = plan_dinner([dish, quick], SEVEN, now, 3)
    offered = [w for ws in both.ways_out.values() for w in ws if w.kind == "later"]
    for way in offered:
        again = plan_dinner([dish, quick], way.serve_at, now, 3)
        assert {p.where for p in again.plan.problems} <= {p.where for p in both.plan.problems}


def test_other_grains_that_are_offered_are_two_at_most_suit_the_dish_and_make_it() -> None:
    dish, dinner = late(45, soak_min=480.0)
    made = shift(dish.recipe, dish.choice)
    [ways] = dinner.ways_out.values()
    offered = [w.changes["to"] for w in ways if w.kind == "grain"]
    assert 1 <= len(offered) <= 2 and len(set(offered)) == len(offered)
    assert made.pot.grain.slug not in offered and made.own.grain.slug not in offered
    rows = {
        c.grain.slug: c
        for c in comparing.candidates(dish.recipe, dish.choice.kitchen, 45 / 60)
        if c.suited and c.in_time
    }
    assert set(offered) <= set(rows)


@pytest.mark.parametrize(
    ("soak", "cook", "ways"),
    [
        (60, 25, "cook it without the soak, or serve at 19:55"),
        # without its soak it would just make it, and is quick enough
        (60, 30, "cook it without the soak, or serve at 20:00"),
        # the soak alone is not what keeps it
        (60, 31, "take a quicker grain or a pressure cooker, or serve at 20:01"),
        (0, 40, "take a quicker grain or a pressure cooker, or serve at 19:10"),
    ],
)
def test_what_is_too_late_is_told_what_would_help(soak: int, cook: int, ways: str) -> None:
    tasks = [*([task("d/soak", soak)] if soak else []), task("d/pot", cook, *(["d/soak"] if soak else []))]
    [problem] = make_plan({"rice": tasks}, SEVEN, SEVEN - timedelta(minutes=30)).problems
    needs = f"rice needs {soak + cook} minutes and only 30 are left before 19:00"
    assert (problem.code, problem.text) == ("too_late", f"{needs}: {ways}.")


def test_what_takes_longer_than_a_plan_looks_back_is_ready_so_much_later() -> None:
    [problem] = make_plan({"rice": [task("d/pot", LONGEST_MIN + 10)]}, SEVEN).problems
    assert problem.code == "too_late" and problem.text.endswith("or serve at 19:10.")


def test_two_dishes_for_one_burner_that_would_each_just_make_it_are_crowded() -> None:
    dishes = {n: [replace(task(f"{n}/pot", 30), resource="burner")] for n in ("rice", "soup")}
    half_past = SEVEN - timedelta(minutes=30)
    plan = make_plan(dishes, SEVEN, half_past, burners=1)
    [problem] = plan.problems
    assert problem.code == "crowded" and {t.task.dish for t in plan.tasks} == {"dish"} and len(plan.tasks) == 1
    assert not make_plan(dishes, SEVEN, half_past, burners=2).problems


def test_minutes_that_really_pass_while_the_clocks_are_set_back() -> None:
    # the clocks of London go back an hour on this night
    begin, end = (datetime(2026, 10, 25, h, 30, tzinfo=ZoneInfo("Europe/London")) for h in (0, 3))
    assert minutes_from(begin, end) == 240 and before(end, 240) == begin
    assert minutes_from(begin.replace(tzinfo=None), end.replace(tzinfo=None)) == 180


def test_every_way_out_takes_the_minutes_it_says_and_is_offered_to_the_last_of_them() -> None:
    dish, dinner = late(200, soak_min=480.0)
    [ways] = dinner.ways_out.values()
    kinds = [w.kind for w in ways]
    assert kinds.count("grain") == 2 and {"no_soak", "pressure", "later"} < set(kinds)
    for way in [w for w in ways if w.kind != "later"]:
        taken = shift(dish.recipe, replace(dish.choice, **way.changes))
        assert way.minutes == critical_minutes(tasks_of(taken, "x")) and said_minutes(way.minutes) in way.text
        [just] = late(way.minutes, soak_min=480.0)[1].ways_out.values()
        assert any((w.kind, w.changes) == (way.kind, way.changes) for w in just)
        [never] = late(way.minutes - 1, soak_min=480.0)[1].ways_out.values()
        assert not any((w.kind, w.changes) == (way.kind, way.changes) for w in never)


def test_no_way_out_is_offered_whose_pot_would_boil_over_and_one_with_a_remark_is() -> None:
    small = Kitchen(pot_cm=16, pot_l=1.4)
    dish, dinner = late(200, soak_min=480.0, kitchen=small)
    [ways] = dinner.ways_out.values()
    made = [shift(dish.recipe, replace(dish.choice, **w.changes)) for w in ways if w.kind != "later"]
    assert made and not any(p.code == "pot_full" for m in made for p in m.problems)
    assert any(m.problems for m in made)


def test_a_crowded_dinner_is_offered_the_next_quarter_of_an_hour() -> None:
    dishes = [Dish(k, read(demo("01")), Choice("quinoa")) for k in ("a", "b")]
    needs = critical_minutes(tasks_of(shift(dishes[0].recipe, dishes[0].choice), "x"))
    offered = []
    for more in (0, 3, 9, 20):
        dinner = plan_dinner(dishes, SEVEN, SEVEN - timedelta(minutes=needs + more), 1)
        assert {p.code for p in dinner.plan.problems} == {"crowded"}
        later = [w.serve_at for ways in dinner.ways_out.values() for w in ways if w.kind == "later"]
        offered.append([(at - SEVEN).total_seconds() / 60 for at in later])
    # in time for nobody, one after the other; in time for one; …
    assert offered == [[15, 45], [15, 30], [30], [15]]


def test_a_recipe_as_it_stands_that_is_late_can_only_be_served_later() -> None:
    dinner = plan_dinner([Dish("k", read(demo("01")), None)], SEVEN, SEVEN - timedelta(minutes=10), 3)
    [ways] = dinner.ways_out.values()
    assert [w.kind for w in ways] == ["later"]


def test_a_recipe_as_it_stands_is_one_thing_after_the_other() -> None:
    text = "Salad\n\n3 tomatoes\n1 onion\n2 tbsp oil\n\n1. Heat the oven to 200 C.\n2. Roast the tomatoes in the oven 30 minutes.\n3. Slice the onion, 5 minutes.\n4. Stir all together and leave to stand 10 minutes.\n"
    tasks = tasks_of(shifting_as_it_is(text), "d")
    assert [(t.what.split()[0], t.minutes) for t in tasks] == [
        ("Heat", 10),
        ("Roast", 30),
        ("Slice", 5),
        ("Stir", 1),
        ("Leave", 10),
        ("finish", 3),
    ]
    # each waits for the one before it; the last of all is never beside anything: the dish ends with it
    assert all(b.after == (a.id,) for a, b in zip(tasks, tasks[1:], strict=False))
    assert critical_minutes(tasks) == 59 and tasks[-1].holds == 30


def test_what_stands_by_itself_at_the_end_is_waited_for() -> None:
    text = "Jelly\n\n500 ml juice\n6 leaves gelatine\n\n1. Warm the juice, 5 minutes.\n2. Stir in the gelatine.\n3. Chill in the fridge for 120 minutes.\n"
    tasks = tasks_of(shifting_as_it_is(text), "d")
    chill = next(t for t in tasks if t.minutes == 120)
    assert tasks[-1].kind == "finish" and tasks[-1].after == (chill.id,) and critical_minutes(tasks) > 125


def shifting_as_it_is(text: str):
    from mealshift.shifting.as_it_is import as_it_is

    return as_it_is(read(text), Kitchen())


LENTILS = """Lentil pot
Serves 4

300 g long-grain rice
200 g brown lentils
900 ml water
1 onion

1. {first}
2. {then} Bring to the boil, cover and simmer {cook} minutes. Rest 10 minutes.
"""


@pytest.mark.parametrize(
    ("first", "then", "cook", "minutes"),
    [
        # all at once: what the quick grain lacks of the 28 they want, but no more than the recipe gave them
        ("Fry the onion.", "Put the lentils, rice and water in the pot.", 30, 13),
        ("Fry the onion.", "Put the lentils, rice and water in the pot.", 20, 5),
        # boiled before: those minutes they have had
        ("Boil the lentils in half the water for 15 minutes.", "Add the rice and the rest of the water.", 20, None),
        ("Boil the lentils in half the water for 8 minutes.", "Add the rice and the rest of the water.", 30, 5),
        # tender already
        ("Boil the lentils until tender, and drain.", "Put the lentils, rice and water in the pot.", 30, None),
    ],
)
def test_a_slow_pulse_gets_what_the_quick_grain_does_not_give_it(first, then, cook, minutes) -> None:
    found = early(read(LENTILS.format(first=first, then=then, cook=cook)), 15.0)
    assert [(e.line.name, e.minutes) for e in found] == ([("brown lentils", minutes)] if minutes else [])


FISH = """Fish on rice
Serves 4

300 g long-grain rice
600 ml stock
400 g salmon fillets
1 onion

1. {first}
2. Add the rice and the stock. Bring to the boil, cover and simmer 10 minutes.
3. {then}
4. Rest 10 minutes.
"""
LAID_ON = "Lay the salmon fillets on the rice, cover and simmer 8 minutes."


@pytest.mark.parametrize(
    ("first", "then", "minutes"),
    [
        # raw, and laid on the grain while it cooks: its own minutes, however quick the grain is
        ("Fry the onion 5 minutes.", LAID_ON, 8),
        # done in the pan before, even in part, or in the pot from the start, or beside it
        ("Fry the onion and the salmon fillets for 12 minutes. Set the fish aside.", LAID_ON, None),
        ("Fry the onion and the salmon fillets for 3 minutes.", LAID_ON, None),
        ("Put the onion and the salmon fillets in a pot.", "Cover and simmer 8 minutes.", None),
        ("Fry the onion 5 minutes.", "Cover and simmer 8 minutes. Serve the salmon fillets beside it.", None),
    ],
)
def test_raw_fish_laid_on_the_grain_keeps_its_own_minutes(first, then, minutes) -> None:
    found = raw_later(read(FISH.format(first=first, then=then)))
    assert [(j.line.name, j.minutes) for j in found] == ([("salmon fillets", minutes)] if minutes else [])


def test_a_dish_without_a_soak_is_planned_within_its_hours_and_its_soak_reaches_back() -> None:
    plain = shifted(demo("01"), "rice-brown-long")
    soaked = replace(plain, pot=plain.pot)
    assert critical_minutes(tasks_of(soaked, "d")) == critical_minutes(tasks_of(plain, "d"))
    long = shifted(demo("01"), "rice-brown-long", soak_min=240.0)
    soak = next(t for t in tasks_of(long, "d") if t.kind == "soak")
    assert soak.minutes == 240 and soak.resource == "" and soak.hands_on <= 5
    assert critical_minutes(tasks_of(long, "d")) > critical_minutes(tasks_of(plain, "d")) + 200
