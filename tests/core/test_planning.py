"""Schedules: nothing used twice at once, order and windows kept, the serving time met or the dish named."""

from __future__ import annotations

import itertools
import json
from datetime import datetime, timedelta

import pytest
import vobject
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift.cli import main
from mealshift.planning import Plan, Task, make_plan, tasks_of
from mealshift.planning.schedule import critical_minutes
from mealshift.problems import Refusal
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
        tasks.append(Task(f"{d}/finish", "finish", str(d), 3, 3, after=(tasks[-1].id,), holds=30, last=True))
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
    """Two dishes that need the same hands: every order and minute tried, the wait of hot food first, then the early starts."""
    for lengths in itertools.product((4, 7), (3, 9)):
        dishes = {str(d): [Task(f"{d}/pot", "pot", str(d), n, 2, "burner"), Task(f"{d}/finish", "f", str(d), 3, 3, after=(f"{d}/pot",), holds=30, last=True)]
                  for d, n in enumerate(lengths)}  # fmt: skip
        plan = make_plan(dishes, SEVEN, SEVEN - timedelta(minutes=24), burners=1)
        got = cost({s.task.id: int((SEVEN - s.start).total_seconds() // 60) for s in plan.tasks}, dishes)
        assert got == min(cost(starts, dishes) for starts in every_schedule(dishes, 24))


def cost(starts: dict[str, int], dishes: dict[str, list[Task]]) -> int:
    wait = sum(starts[t.id] - t.minutes for tasks in dishes.values() for t in tasks if t.last)
    return 20 * wait + sum(starts.values())


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
