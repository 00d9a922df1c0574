"""What can burn, poison or spoil a dinner: pressure, beans, warm grain, no water; and texts that would stop the machine."""

from __future__ import annotations

import functools
import time
from datetime import datetime

import pytest

from mealshift import cautions, cooking, pipeline
from mealshift.cli import main
from mealshift.cooking import Event, fold, is_locked
from mealshift.cooking.report import report
from mealshift.cooking.rescue import WRONGS, rescue
from mealshift.grains import all_grains
from mealshift.planning import Dish, plan_dinner
from mealshift.pot.simulation import simulate
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice, shift

from .kitchen import demo, pot

NOW = datetime(2026, 11, 25, 8, 0)
EVENING = datetime(2026, 11, 25, 19, 0)
BEANS = """Beans in the pot
Serves 4
1 cup long-grain rice
100 g {beans}
3 cups water
1. Put rice, beans and water in {where}, and {how}.
"""


@functools.cache
def script_for(text: str, choice: Choice) -> cooking.Script:
    dinner = plan_dinner([Dish("a", read(text), choice)], EVENING, NOW, 3)
    return cooking.script_of(dinner.shifts, dinner.plan, NOW)


@pytest.mark.parametrize("method", ["pressure", "electric-pressure"])
@pytest.mark.parametrize("release", ["natural", "quick"])
def test_nothing_is_opened_stirred_or_looked_into_before_the_pressure_is_down(method, release) -> None:
    script = script_for(demo("01"), Choice("foxtail-millet", method=method, release=release))
    boil, cook, let, rest = (next(s for s in script.steps if s.kind == k) for k in ("boil", "cook", "release", "rest"))
    assert not any(s.kind == "kettle" or s.anchor == cook.id for s in script.steps)
    assert "water" not in cook.look and "stir" not in cook.words.lower() and "tender" not in cook.look
    assert "tender" in rest.look or "water" in rest.look
    done = [
        Event("1", "begun", 100, {"step": boil.id}),
        Event("2", "done", 110, {"step": boil.id}),
        Event("3", "done", 120, {"step": cook.id}),
    ]
    key = boil.pot
    assert [is_locked(script, fold(script, done[:n]), key) for n in range(4)] == [False, True, True, True]
    open_again = [*done, Event("4", "done", 131, {"step": let.id})]
    assert not report(script, open_again, 131)["pots"][0]["locked"] and report(script, done, 121)["pots"][0]["locked"]
    run = simulate(script.pots[key])
    for what in WRONGS:
        said = rescue(script.pots[key], what, run, 8.0).text
        if what not in ("not_sprouting", "mould"):
            assert "pressure go down" in said and "ajar" not in said, what
        assert "pressure" not in rescue(script.pots[key], what, run, 30.0, locked=False).text


def test_the_bench_looks_into_a_pressure_cooker_only_when_it_is_open() -> None:
    made = pipeline.whole_way(demo("01"), Choice("foxtail-millet", method="pressure"))
    told = " ".join(s["text"] for s in made["steps"])
    assert told.count("When the pressure is down and the lid is open, look:") == 1 and "Look:" not in told


def test_dry_beans_are_soaked_and_boiled_hard_before_anything_else() -> None:
    text = BEANS.format(beans="dried red kidney beans", where="a pot", how="simmer 40 minutes")
    script = script_for(text, Choice("barley-pearl"))
    first, second = script.steps[0], script.steps[1]
    assert "soak the" in first.title.lower() and first.minutes >= 480 and any("Never only" in c for c in first.cautions)
    assert "boil the" in second.title.lower() and second.minutes >= 10
    boil = next(s for s in script.steps if s.kind == "boil")
    assert boil.planned >= second.planned + second.minutes
    assert pipeline.whole_way(text, Choice("barley-pearl"))["steps"][0]["kind"] == "beans"
    tinned = BEANS.format(beans="tinned kidney beans, drained", where="a pot", how="simmer 20 minutes")
    assert not any(s.kind == "beans" for s in script_for(tinned, Choice("quinoa")).steps)


def test_dry_beans_in_a_slow_cooker_alone_are_stopped() -> None:
    slow = BEANS.format(beans="dried kidney beans", where="the slow cooker", how="cook on low for 8 hours")
    with pytest.raises(Refusal, match="boil them hard"):
        shift(read(slow), Choice("barley-pearl"))
    shift(read(slow.replace("1. Put", "1. Soak the beans, boil them hard for 10 minutes. Put")), Choice("barley-pearl"))


@pytest.mark.parametrize(
    ("words", "code"),
    [
        ("Leave it at room temperature overnight.", "words_warm"),
        ("Stood overnight on the counter.", "words_warm"),
        ("Keep warm at 45 °C until the guests come.", "words_lukewarm"),
        ("Fry the onions in smoking hot oil.", "hot_fat"),
        ("Boil the sugar syrup for 3 minutes.", "hot_fat"),
        ("Leave overnight in the fridge.", None),
        ("Keep warm at 70 °C.", None),
        ("Bring it to room temperature for 30 minutes.", None),
    ],
)
def test_a_caution_stands_where_the_recipe_says_it(words, code) -> None:
    assert [c.code for c in cautions.for_words(words)] == ([code] if code else [])
    text = f"Pilaf\n1 cup rice\n2 cups water\n1. Simmer the rice in the water for 15 minutes.\n2. {words}\n"
    steps = pipeline.whole_way(text, Choice("quinoa"))["steps"]
    assert [bool(s["cautions"]) for s in steps if s["was"] == words] == [code is not None]


def test_gluten_is_said_first_and_also_where_a_sauce_has_it_already() -> None:
    script = script_for(demo("01"), Choice("barley-pearl", soak_min=30))
    assert any("gluten" in c for c in script.steps[0].cautions)
    sauce = "Pan\n1 cup rice\n2 cups water\n2 tbsp soy sauce\n1. Simmer the rice in the water for 15 minutes. Add the soy sauce.\n"
    said = cautions.for_shift(shift(read(sauce), Choice("bulgur-coarse")))
    assert said[0].code == "gluten" and "bulgur" in said[0].text


@pytest.mark.parametrize(
    ("line", "choice", "code"),
    [
        ("1 tbsp honey", {}, "honey"),
        ("a handful of cashews", {}, "whole_nuts"),
        ("50 g ground almonds", {}, None),
        ("1 onion", {"method": "drain"}, "scald"),
        ("1 onion", {"method": "electric-pressure", "release": "quick"}, "quick_foam"),
        ("1 onion", {"method": "electric-pressure"}, None),
        ("1 onion", {"method": "slow-cooker"}, "slow_cooker"),
    ],
)
def test_what_else_can_hurt_is_said(line, choice, code) -> None:
    text = f"Pan\n1 cup rice\n2 cups water\n{line}\n1. Simmer the rice in the water for 15 minutes.\n"
    codes = {c.code for c in cautions.for_shift(shift(read(text), Choice("barley-pearl", **choice)))}
    assert (codes & {"honey", "whole_nuts", "scald", "quick_foam", "slow_cooker"}) == ({code} if code else set())


@pytest.mark.parametrize("name", ["01", "02", "03", "06"])
def test_no_dry_grain_is_left_without_water(name) -> None:
    """Whatever the recipe's habit: what is poured and brought is more than half of what the grain needs, and the simulation says so
    where it is not."""
    recipe = read(demo(name))
    for g in all_grains():
        made = shift(recipe, Choice(g.slug))
        brought = sum(-r.amount for r in made.pot.rows if r.term in ("brought", "cling"))
        assert made.pot.raw_pour_ml + brought > 0.5 * made.pot.need_ml, g.slug
    assert simulate(pot("quinoa"), pour_ml=pot("quinoa").pour_ml * 0.5).verdict.code != "right"


@pytest.mark.parametrize(
    "text",
    [
        "200 g rice\n400 ml water\nSimmer " + "1" * 12_000 + " minutes.",
        "200 g rice\n400 ml water\nSimmer " + "10 min " * 6_000,
        "<html>" + "<script " * 200_000,
        "<html>" + "<script type='application/ld+json'>" * 50_000,
        "9" * 400 + " g rice\n400 ml water\nSimmer 10 minutes.",
        "200 g rice\ud800\n400 ml water\nSimmer 10 minutes.",
        "Serves 0\n200 g rice\n400 ml water\nSimmer 10 minutes.",
        "Wild rice porridge\n200 g wild rice\n900 ml water\nSimmer 50 minutes.",
        "Porridge\n200 g paella rice\n900 ml water\nSimmer 30 minutes.",
    ],
)
def test_no_text_stops_the_machine(text, tmp_path, capsys) -> None:
    file = tmp_path / "odd.txt"
    file.write_bytes(text.encode("utf-8", "surrogatepass"))
    began = time.process_time()
    for command in (["read", str(file)], ["shift", str(file), "--to", "quinoa", "--servings", "4"]):
        code = main(command)
        said = capsys.readouterr().err
        assert code in (0, 2) and (code == 0 or (said.count("\n") == 1 and "beyond me" not in said))
    # not a measure of speed: it was hours, and must not be
    assert time.process_time() - began < 20
