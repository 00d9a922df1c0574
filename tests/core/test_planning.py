"""Schedules: nothing used twice at once, order and windows kept, the serving time met or the dish named."""

from __future__ import annotations

import itertools
import json
import re
from dataclasses import replace
from datetime import datetime, timedelta

import pytest
import vobject
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift import pipeline
from mealshift.cli import main
from mealshift.cooking import script_of
from mealshift.planning import Dish, Plan, Task, make_plan, plan_dinner, tasks_of
from mealshift.planning.schedule import critical_minutes
from mealshift.pot import Kitchen
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice, shift
from mealshift.writing import to_ics

from .kitchen import DEMO, demo, shifted

SEVEN = datetime(2026, 11, 25, 19, 0)
NOON = datetime(2026, 11, 25, 12, 0)
DEMO_PLAN = {"01": "foxtail-millet", "07": "rice-black", "04": "barnyard-millet"}


def dinner(**dishes: str) -> dict[str, list[Task]]:
    made = {}
    for number, slug in dishes.items():
        s = shifted(demo(number.strip("_")), slug)
        made[s.title.text] = tasks_of(s, s.title.text)
    return made


def at_once(plan: Plan, of) -> int:
    """The most intervals of `of` (start, minutes) that overlap at any minute."""
    spans = [(s.start, s.start + timedelta(minutes=of(s.task))) for s in plan.tasks if of(s.task)]
    return max((sum(a <= start < b for a, b in spans) for start, _ in spans), default=0)


def check(plan: Plan, burners: int, now: datetime | None) -> None:
    by = {s.task.id: s for s in plan.tasks}
    assert at_once(plan, lambda t: t.hands_on) <= 1
    assert at_once(plan, lambda t: t.minutes if t.resource == "burner" else 0) <= burners
    assert at_once(plan, lambda t: t.minutes if t.resource == "oven" else 0) <= 2
    for s in plan.tasks:
        assert s.end <= plan.serve_at and (now is None or s.start >= now)
        assert s.end - s.start == timedelta(minutes=s.task.minutes)
        for before in s.task.after:
            assert by[before].end <= s.start
        if s.task.within is not None and s.task.after:
            assert s.start - by[s.task.after[-1]].end <= timedelta(minutes=s.task.within)
        for other, most in s.task.waits:
            assert s.start - by[other].end <= timedelta(minutes=most)
        if s.task.last:
            assert plan.serve_at - s.end <= timedelta(minutes=s.task.holds)


@st.composite
def kitchens(draw) -> tuple[dict[str, list[Task]], int, int]:
    """A few dishes of a few tasks each, some burners, some hours."""
    dishes = {}
    for d in range(draw(st.integers(1, 4))):
        tasks: list[Task] = []
        for n in range(draw(st.integers(1, 4))):
            minutes = draw(st.integers(2, 40))
            after = (tasks[-1].id,) if tasks else ()
            within = draw(st.sampled_from([None, 0, 15])) if after else None
            tasks.append(
                Task(
                    f"{d}/{n}",
                    "x",
                    str(d),
                    minutes,
                    draw(st.integers(0, min(5, minutes))),
                    draw(st.sampled_from(["", "burner", "oven"])),
                    after,
                    within,
                )
            )
        tasks.append(
            Task(
                f"{d}/finish",
                "finish",
                str(d),
                3,
                3,
                after=(tasks[-1].id,),
                holds=30,
                last=True,
                waits=draw(st.sampled_from([(), ((tasks[-1].id, 20),)])),
            )
        )
        dishes[str(d)] = tasks
    return dishes, draw(st.integers(1, 3)), draw(st.integers(30, 400))


@settings(max_examples=40, deadline=None)
@given(kitchens())
def test_no_schedule_breaks_a_rule_and_every_dish_is_ready_or_named(case) -> None:
    dishes, burners, room = case
    now = SEVEN - timedelta(minutes=room)
    plan = make_plan(dishes, SEVEN, now, burners)
    check(plan, burners, now)
    ready, named = {s.task.dish for s in plan.tasks}, {p.where for p in plan.problems}
    assert ready | named == set(dishes) and not ready & named
    for name, tasks in dishes.items():
        if critical_minutes(tasks) > room:
            assert name in named


def test_the_optimum_of_small_cases_against_exhaustive_search() -> None:
    """Two dishes that need the same hands: every order and minute tried, the wait of hot food first, then the length of the evening, then the early starts."""
    for lengths in itertools.product((4, 7), (3, 9)):
        dishes = {
            str(d): [
                Task(f"{d}/pot", "pot", str(d), n, 2, "burner"),
                Task(f"{d}/finish", "f", str(d), 3, 3, after=(f"{d}/pot",), holds=30, last=True),
            ]
            for d, n in enumerate(lengths)
        }
        plan = make_plan(dishes, SEVEN, SEVEN - timedelta(minutes=24), burners=1)
        got = cost({s.task.id: int((SEVEN - s.start).total_seconds() // 60) for s in plan.tasks}, dishes)
        assert got == min(cost(starts, dishes) for starts in every_schedule(dishes, 24))


def cost(starts: dict[str, int], dishes: dict[str, list[Task]]) -> int:
    wait = sum(starts[t.id] - t.minutes for tasks in dishes.values() for t in tasks if t.last)
    return 20 * wait + 10 * max(starts.values()) + sum(starts.values())


def every_schedule(dishes: dict[str, list[Task]], room: int):
    tasks = [t for ts in dishes.values() for t in ts]
    for minutes in itertools.product(*[range(t.minutes, room + 1) for t in tasks]):
        at = dict(zip([t.id for t in tasks], minutes, strict=True))
        if any(at[b] - next(x.minutes for x in tasks if x.id == b) < at[t.id] for t in tasks for b in t.after):
            continue
        if any(clash(at[a.id], a.hands_on, at[b.id], b.hands_on) for a, b in itertools.combinations(tasks, 2)):
            continue
        pots = [t for t in tasks if t.resource]
        if not any(clash(at[a.id], a.minutes, at[b.id], b.minutes) for a, b in itertools.combinations(pots, 2)):
            yield at


def clash(a: int, long_a: int, b: int, long_b: int) -> bool:
    """Both counted back from serving: a runs from a to a − long_a."""
    return a > b - long_b and b > a - long_a


def test_three_dishes_for_seven() -> None:
    dishes = dinner(_01="foxtail-millet", _07="rice-black", _04="barnyard-millet")
    plan = make_plan(dishes, SEVEN, NOON, burners=2)
    check(plan, 2, NOON)
    assert plan.problems == () and {s.task.dish for s in plan.tasks} == set(dishes)
    pinned = next(s for s in plan.tasks if s.task.id.endswith("1/pot"))
    moved = make_plan(dishes, SEVEN, NOON, 2, pinned={pinned.task.id: pinned.start - timedelta(minutes=5)})
    assert next(s for s in moved.tasks if s.task.id == pinned.task.id).start == pinned.start - timedelta(minutes=5)


def test_a_way_out_that_is_offered_makes_it_when_taken() -> None:
    """Each way out of a dish that cannot make it, taken: the dish is then in the plan."""
    late = SEVEN - timedelta(minutes=80)
    dish = Dish("k", read(demo("01")), Choice("rice-brown-long", soak_min=480.0))
    dinner = plan_dinner([dish], SEVEN, late, 3)
    [ways] = dinner.ways_out.values()
    assert {w.kind for w in ways} >= {"grain", "later"} and all(w.key == "k" for w in ways)
    assert "own" not in {w.kind for w in ways}, "it is late, and lacks no appliance"
    for way in ways:
        again = plan_dinner([replace(dish, choice=replace(dish.choice, **way.changes))], way.serve_at or SEVEN, late, 3)
        assert not again.ways_out and again.plan.tasks, way
    # nobody is offered a pressure cooker the kitchen does not have
    bare = plan_dinner([dish], SEVEN, late, 3, owned=())
    assert "pressure" not in {w.kind for w in next(iter(bare.ways_out.values()))}
    assert "pressure" in {
        w.kind for w in next(iter(plan_dinner([dish], SEVEN, late, 3, owned=("pressure cooker",)).ways_out.values()))
    }


def test_a_pot_too_small_for_the_dinner_is_said_and_planned_all_the_same() -> None:
    dish = Dish("k", read(demo("01")), Choice("foxtail-millet", kitchen=Kitchen(pot_cm=14, pot_l=0.8)))
    made = plan_dinner([dish], SEVEN, NOON, 2)
    [problem] = made.plan.problems
    assert problem.code == "pot_full" and problem.where in made.shifts and made.plan.tasks and not made.ways_out
    assert not plan_dinner([replace(dish, choice=Choice("foxtail-millet"))], SEVEN, NOON, 2).plan.problems


def test_what_the_kitchen_lacks_and_pins_that_cannot_be_are_named() -> None:
    tasks = dinner(_01="foxtail-millet")
    [name] = tasks
    cooker = shifted(demo("01"), "foxtail-millet", method="rice-cooker")
    lacking = make_plan({name: tasks_of(cooker, name)}, SEVEN, NOON, owned=())
    assert [p.code for p in lacking.problems] == ["no_appliance"] and "rice cooker" in lacking.problems[0].text
    rest = next(t for t in tasks[name] if t.kind == "rest")
    stuck = make_plan(tasks, SEVEN, NOON, pinned={rest.id: NOON})
    assert [p.code for p in stuck.problems] == ["pinned"] and "let go of a pin" in stuck.problems[0].text


def test_grain_to_be_fried_is_cold_first_and_a_salad_lukewarm() -> None:
    fried = {t.kind: t for t in tasks_of(shifted(demo("09"), "rice-brown-long"), "fry")}
    assert fried["chill"].minutes >= 60 and fried["chill"].after == (fried["cool"].id,)
    salad = {t.kind: t for t in tasks_of(shifted(demo("05"), "bulgur-coarse"), "salad")}
    assert "cool" in salad and "chill" not in salad


def test_a_soak_reaches_back_and_what_cannot_make_it_is_named_with_ways_out() -> None:
    s = shifted(demo("01"), "rice-brown-long", soak_min=480.0)
    tasks = {"pilaf": tasks_of(s, "pilaf")}
    early = make_plan(tasks, SEVEN, NOON - timedelta(hours=14))
    assert early.start_at is not None and early.start_at < NOON - timedelta(hours=1)
    late = make_plan(tasks, SEVEN, NOON + timedelta(hours=4))
    assert late.tasks == () and late.problems[0].code == "too_late"
    assert "without the soak" in late.problems[0].text and "serve at" in late.problems[0].text


@pytest.mark.parametrize("bad", [{"serve_at": NOON, "now": SEVEN}, {"serve_at": SEVEN, "burners": 0}])
def test_a_plan_that_cannot_be_asked(bad) -> None:
    with pytest.raises(Refusal):
        make_plan(dinner(_01="quinoa"), **bad)


def test_the_calendar_is_read_back_by_another_library() -> None:
    plan = make_plan(dinner(_01="quinoa", _04="quinoa"), SEVEN, NOON)
    read = vobject.readOne(to_ics(plan, NOON).decode())
    events = list(read.vevent_list)
    assert [(e.dtstart.value, e.dtend.value) for e in events] == [(s.start, s.end) for s in plan.tasks]
    assert all(e.valarm.action.value == "DISPLAY" for e in events)
    assert len({e.uid.value for e in events}) == len(events)


def test_the_command_line(capsys, tmp_path) -> None:
    pilaf, out = str(DEMO / "01-tomato-pilaf.txt"), tmp_path / "dinner.ics"
    assert (
        main(
            [
                "plan",
                f"{pilaf}=quinoa",
                pilaf,
                "--serve-at",
                "19:00",
                "--now",
                "2026-11-25T17:00",
                "--ics",
                str(out),
                "--json",
            ]
        )
        == 0
    )
    data = json.loads(capsys.readouterr().out)
    assert data["serve_at"] == "2026-11-25T19:00:00" and {
        "id",
        "what",
        "dish",
        "start",
        "end",
        "hands_on",
        "resource",
    } == set(data["tasks"][0])
    assert all(t["end"] <= data["serve_at"] for t in data["tasks"]) and out.read_bytes().startswith(b"BEGIN:VCALENDAR")
    # a bare time that has passed today is tomorrow's
    main(["plan", pilaf, "--serve-at", "12:00", "--now", "2026-11-25T17:00", "--json"])
    assert json.loads(capsys.readouterr().out)["serve_at"] == "2026-11-26T12:00:00"
    for argv in (["--serve-at", "25:00"], ["--serve-at", "yesterday"], ["--serve-at", "19:00", "--burners", "0"], []):
        assert main(["plan", pilaf, *argv]) == 2
        assert len(capsys.readouterr().err.strip().splitlines()) == 1


SIDES = {
    "carrots": """Roast carrots
Serves 5

1 kg carrots, cut in sticks
2 tbsp oil
1/2 tsp salt
1 lemon

1. Heat the oven to 210 °C.
2. Toss the carrots with the oil and salt on a tray.
3. Roast for 35 minutes, turning once after 20 minutes.
4. Squeeze the lemon over and serve.
""",
    "yoghurt": """Cucumber yoghurt

1 cucumber
400 g plain yoghurt
1 clove garlic, crushed

Grate the cucumber, salt it and leave to drain for 15 minutes. Squeeze it dry. Stir into the yoghurt with the garlic. Chill for 30 minutes before serving.
""",
    "beans": """Green beans in tomato

500 g green beans
1 onion
2 cloves garlic
1 tin tomatoes
3 tbsp oil

Top the beans. Meanwhile soften the onion in the oil for 10 minutes, add the garlic for a minute.
Add tomatoes and the beans, half a cup of water, cover and simmer 25 minutes until the beans are very soft.
Let it stand 5 minutes off the heat.
""",
}


@pytest.mark.parametrize("burners", [1, 2, 3])
def test_dishes_without_a_grain_are_planned_by_their_own_steps(burners) -> None:
    dishes = [Dish(name, read(text), None) for name, text in SIDES.items()]
    made = plan_dinner([Dish("p", read(demo("01")), Choice("foxtail-millet")), *dishes], SEVEN, NOON, burners)
    assert not made.plan.problems and {s.task.dish for s in made.plan.tasks} >= {
        "Roast carrots",
        "Cucumber yoghurt",
        "Green beans in tomato",
    }
    check(made.plan, burners, NOON)
    at = {(s.task.dish, s.task.act.words if s.task.act else s.task.kind): s for s in made.plan.tasks}
    # the oven is hot before the tray goes in, and only then
    roast = next(s for s in made.plan.tasks if s.task.resource == "oven")
    preheat = next(s for s in made.plan.tasks if s.task.act and s.task.act.kind == "preheat")
    assert (
        preheat.end <= roast.start
        and roast.task.minutes == 35
        and roast.task.act
        and [m for m, _ in roast.task.act.midway] == [20]
    )
    # nothing is added to what has not softened yet, though the recipe says "meanwhile"
    soften = at["Green beans in tomato", "Meanwhile soften the onion in the oil for 10 minutes."]
    simmer = next(s for s in made.plan.tasks if s.task.minutes == 25)
    assert soften.end <= simmer.start
    # every word of the recipe is somebody's task
    for name, text in SIDES.items():
        told = " ".join(
            s.task.act.words for s in made.plan.tasks if s.task.act and made.keys[s.task.dish] == name
        ).lower()
        for word in re.findall(r"[^\W\d]+", text.split("\n\n")[-1].lower()):
            assert word in told or word == "and", (name, word)


def test_a_heading_that_is_a_dish_of_its_own_does_not_wait_for_the_pot() -> None:
    text = """Tomato rice with cucumber yoghurt
Serves 4

For the rice:
300 g basmati rice
600 ml water
2 tomatoes, chopped
1 tbsp oil
1 tsp salt

For the yoghurt:
1 cucumber
300 g yoghurt
1/2 tsp salt

Rice
1. Fry the tomatoes in the oil for 6 minutes.
2. Add the rice, water and salt, bring to the boil, cover and simmer for 12 minutes.
3. Rest 10 minutes off the heat.

Yoghurt
1. Grate the cucumber and leave it to drain for 20 minutes.
2. Stir into the yoghurt with the salt and chill for 30 minutes.

Serve the rice with the yoghurt.
"""
    plan = plan_dinner([Dish("a", read(text), Choice("quinoa"))], SEVEN, NOON, 2).plan
    rest = next(s for s in plan.tasks if s.task.kind == "rest")
    own = [s for s in plan.tasks if s.task.part == "Yoghurt"]
    assert [s.task.what.split()[0] for s in own] == ["Grate", "Leave", "Stir", "Chill"]
    # the rice does not stand and grow cold while the cucumber drains
    assert SEVEN - rest.end <= timedelta(minutes=10) and own[-1].end <= SEVEN
    finish = next(s for s in plan.tasks if s.task.kind == "finish")
    assert finish.task.act and finish.task.act.words == "Serve the quinoa with the yoghurt."
    # nor is the way to the plate on the strip longer for it
    bar = pipeline.strip(shift(read(text), Choice("quinoa")))
    assert sum(b["min"] for b in bar) < 40 and not any(b["min"] == 30 for b in bar)


def test_nothing_goes_into_a_locked_cooker_on_the_strip() -> None:
    late = [pipeline.strip(shifted(demo("01"), "barley-hulled", method=m)) for m in ("covered", "pressure")]
    assert [any(b["at"] for b in bar) for bar in late] == [True, False]


def test_a_text_that_is_only_a_list_is_no_dish() -> None:
    with pytest.raises(Refusal, match="needs what goes in and the steps"):
        plan_dinner([Dish("a", read("Buy\n\nbread\nmilk\n"), None)], SEVEN, NOON)


def test_a_stranger_s_tray_of_chicken_is_fit_to_cook_from() -> None:
    text = """SHEET PAN CHICKEN THIGHS
Prep: 10 min  Cook: 40 min  Serves: 4

INGREDIENTS
8 bone-in chicken thighs
2 Tbsp. olive oil
1 tsp. smoked paprika
1 lemon, halved

DIRECTIONS
1. Preheat oven to 425°F.
2. Pat chicken dry; rub with oil, paprika, salt and pepper. Arrange skin side up on a rimmed sheet pan with the lemon.
3. Roast 35 to 40 minutes, until skin is crisp and an instant-read thermometer registers 165°F.
4. Let rest 5 minutes. Squeeze lemon over.
"""
    dinner = plan_dinner([Dish("a", read(text), None)], SEVEN, NOON, 2)
    script = script_of(dinner.shifts, dinner.plan, NOON)
    [roast] = [s for s in script.steps if "165°F" in (s.words or s.title)]
    # the sign stands on the card that it ends; patting and rubbing is no quarter of an hour
    assert roast.minutes == 38 and (roast.words or roast.title).startswith("Roast 35 to 40 minutes")
    [rub] = [s for s in script.steps if s.title.startswith("Pat chicken dry")]
    assert rub.minutes <= 6 and sum("Raw meat" in c for s in script.steps for c in s.cautions) == 1
