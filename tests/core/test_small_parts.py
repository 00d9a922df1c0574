"""Parts that whole recipes seldom reach: how a change is shared out, whose soak it is, when a lid may be opened."""

from __future__ import annotations

from datetime import datetime

import pytest

from mealshift import cooking, pipeline
from mealshift.cooking import fold, is_locked
from mealshift.grains import all_grains
from mealshift.measures import Measures
from mealshift.planning import Dish, plan_dinner
from mealshift.pot import Kitchen
from mealshift.pot.account import kettle_said
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.reading.structure import Structure
from mealshift.reading.things import overlooked
from mealshift.shifting import Choice
from mealshift.shifting.as_it_is import as_it_is
from mealshift.shifting.backwards import carriers, others, solve_backwards
from mealshift.shifting.beside import _beside_the_grain, _heated, early, raw_meanwhile
from mealshift.shifting.cookings import TAKEN_OUT, in_a_sauce, last_heat, rest_said, shared, untimed
from mealshift.shifting.shift import shift
from mealshift.writing.text import recipe_alone

from .kitchen import pot, report

SEVEN, NOON = datetime(2026, 11, 25, 19, 0), datetime(2026, 11, 25, 12, 0)


@pytest.mark.parametrize(
    ("parts", "total", "joins", "want"),
    [
        ([20], 30, True, [30]),
        # what joins after the first keeps its distance from the end
        ([15, 5], 10, True, [5, 5]),
        # a short hard boil at the start stays short
        ([5, 15], 25, False, [5, 20]),
        # a quarter of the first is left, and no less
        ([8, 20], 22, True, [2, 20]),
        ([8, 20], 21.8, True, [8, 13.8]),
        # nothing would be left of any: all change alike
        ([10, 10], 4, True, [2, 2]),
    ],
)
def test_a_change_of_the_minutes_is_shared_out(
    parts: list[float], total: float, joins: bool, want: list[float]
) -> None:
    assert shared(parts, total, joins) == pytest.approx(want)


def test_what_a_grain_takes_longer_it_takes_over_the_low_heat() -> None:
    assert shared([10, 8], 30, False, hard=[True, False]) == pytest.approx([10, 20])
    # what is sooner done is sooner done of both, and where something joins it keeps its distance from the end
    assert shared([10, 8], 12, False, hard=[True, False]) == shared([10, 8], 12, False)
    assert shared([10, 8], 30, True, hard=[True, False]) == shared([10, 8], 30, True)
    # in a microwave the high power brings it to the boil, and stays
    assert shared([5, 13], 15, True, hard=[True, False], heats_up=True) == pytest.approx([5, 10])


def test_the_rices_own_soak_makes_no_beans_ready() -> None:
    text = (
        "Lentils with browned onions\nServes 4\n1 cup dried red kidney beans\n5 cups water\n2 cups long-grain rice\n"
        "1. Soak the rice 30 minutes. Boil the beans in the water for 1 hour.\n2. Add the rice, cover and simmer 18 minutes."
    )
    steps = pipeline.whole_way(text, Choice("barley-pearl"))["steps"]
    assert any("The day before" in (s["text"] or "") for s in steps)


def test_what_the_very_clause_cooks_has_all_its_minutes() -> None:
    recipe = read(
        "Saffron pan with peas\nServes 4\n1 1/2 cups long-grain rice\n2 carrots, in coins\n2 1/4 cups stock\n"
        "Cook the rice with the carrots in the stock, covered, 18 minutes. Rest 5 minutes.\n"
    )
    carrots = next(ln for ln in recipe.lines if "carrot" in ln.text)
    assert _beside_the_grain(recipe, carrots) == 18


def test_milk_told_by_the_rice_gets_an_amount_of_its_own() -> None:
    text = (
        "Soft rice\nServes 4\n1 cup long-grain rice\n2 cups water\nmilk, same as the rice\n1 tsp salt\n"
        "1. Bring the water to the boil, add the rice, cover and simmer 15 minutes.\n2. Stir in the milk, 3 minutes.\n"
    )
    listed = [i["text"] for i in pipeline.whole_way(text, Choice("quinoa"))["ingredients"]]
    assert not any("same as the" in t for t in listed), listed
    assert any("milk" in t and "ml" in t for t in listed), listed


@pytest.mark.parametrize(
    ("said", "share"),
    [
        ("", 1.0),
        ("halfway ", 0.5),
        ("twice ", 2.0),
        (", but not all the way, two thirds", 2 / 3),
        (", not full, just ⅔", 2 / 3),
        (", not quite, ¾", 0.75),
    ],
)
def test_a_tin_filled_with_water(said: str, share: float) -> None:
    fill = f"Fill the tin with water{said}" if said.startswith(",") else f"Fill the tin {said}with water"
    recipe = read(
        f"Tomato rice\nServes 4\n1 tin (400 ml) coconut milk\n300 g jasmine rice\n1 tsp salt\n1. Tip the coconut milk over the rice. {fill} and pour it in. Boil, cover, low 15 minutes.\n"
    )
    water = sum(ln.water for ln in recipe.lines if ln.kind == "water")
    assert water == pytest.approx(400 * share, rel=0.02)


def test_a_tin_that_is_weighed_holds_as_much_water() -> None:
    text = "Tomato rice\nServes 4\n2 x 400g cans chopped tomatoes\n300 g jasmine rice\n1. Tip the tomatoes over the rice. Fill one of the cans with water and pour it in. Boil, cover, low 15 minutes.\n"
    assert sum(ln.water for ln in read(text).lines if ln.kind == "water") == pytest.approx(400, rel=0.03)


def test_a_tin_of_which_only_the_grams_are_told_holds_as_much_water() -> None:
    text = "Bean rice\nServes 4\n1 can (400 g) black beans, drained\n300 g jasmine rice\n1. Tip the beans over the rice. Fill the can with water and pour it in. Boil, cover, low 15 minutes.\n"
    assert sum(ln.water for ln in read(text).lines if ln.kind == "water") == pytest.approx(400, rel=0.03)


def test_only_a_line_right_below_goes_on_with_a_thing() -> None:
    def listed(between: str) -> list[str]:
        text = f"Leek rice\nServes 4\n\n300 g long-grain rice,\n{between}(washed three times)\n600 ml water\n1 leek\n\n1. Boil the rice and leek in the water, covered, 15 minutes.\n"
        return [ln.text for ln in read(text).lines]

    assert "300 g long-grain rice, (washed three times)" in " ".join(" ".join(listed("")).split())
    assert listed("- ")[0].rstrip(",") == "300 g long-grain rice"


def test_no_pot_is_open_while_its_pressure_stands() -> None:
    """Two pots, the one under pressure let down quickly, so that no step of its own says when: it is locked until its cooking is over, the other never."""
    one = "Pilaf\nServes 4\n300 g long-grain rice\n600 ml water\n1. Boil, cover, low 15 minutes.\n"
    two = "Barley\nServes 4\n300 g long-grain rice\n600 ml water\n1. Boil, cover, low 15 minutes. Rest 5.\n"
    dinner = plan_dinner(
        [Dish("a", read(one), Choice("quinoa")), Dish("b", read(two), Choice("barley-pearl", method="electric-pressure", release="quick"))],
        SEVEN, NOON, 3,
    )  # fmt: skip
    script = cooking.script_of(dinner.shifts, dinner.plan, NOON)
    state = fold(script, [])
    key = next(k for k, p in script.pots.items() if p.way.locked)
    other = next(k for k in script.pots if k != key)
    boil = next(s for s in script.steps if s.pot == key and s.kind == "boil")
    ends = [s for s in script.steps if s.pot == key and s.kind in ("release", "cook")]
    assert not is_locked(script, state, key), "its heat is not on yet"
    state.steps[boil.id].start = 1.0
    assert is_locked(script, state, key) and not is_locked(script, state, other)
    for s in ends:
        state.steps[s.id].end = 30.0
    assert not is_locked(script, state, key)


POT = "A pot of it\nServes 6\n\n3 cups long-grain rice\n6 cups water\n1 chicken in pieces\n1 onion\n\n{}\n"
TOGETHER = "Chicken on the bottom of the pot, rice on top, water over, boil, lid, lowest 35 minutes."


@pytest.mark.parametrize(
    ("before", "now_min", "minutes"),
    [
        # twenty minutes are what chicken wants; four too few are worth a start of their own
        ("", 11, 9),
        ("", 16, 4),
        ("", 17, None),
        ("Boil the chicken with cardamom, bay, 1 onion, 45 minutes.", 9, None),
        # another sentence's minutes are another thing's
        ("Boil up the chicken with cardamom. Fry the onion, 45 minutes.", 9, 5),
        ("Simmer the chicken until tender.", 9, None),
        # what goes on in another pan meanwhile gives it nothing, what it is left on for does
        ("Put the chicken in the pot with the water. In a frying pan fry the onion in oil 45 minutes.", 9, 11),
        ("Add the chicken to the pot. Simmer 45 minutes.", 9, None),
        # the pronoun is what was spoken of
        ("Take the chicken, wash it, boil it with salt until soft.", 9, None),
    ],
)
def test_what_goes_in_before_a_quicker_grain(before: str, now_min: float, minutes: int | None) -> None:
    steps = [s for s in (before, TOGETHER) if s]
    started = early(read(POT.format("\n".join(f"{n}. {s}" for n, s in enumerate(steps, 1)))), now_min)
    assert [(e.name, e.minutes, e.raw) for e in started] == ([] if minutes is None else [("chicken", minutes, True)])


TWO = "Two rices\nServes 4\n\n1/2 cup wild rice\n1 cup brown rice\n3 cups stock\n1 jar pickles for rice\n\n1. Boil the stock{}.\n2. Add the brown rice and simmer {} minutes.\n"


@pytest.mark.parametrize(
    ("before", "together", "now_min", "found"),
    [
        # wild rice wants 48 minutes from raw, of which it has had those before
        (", add the wild rice, cover and simmer 15 minutes", 40, 16, [("wild rice", 17, True)]),
        (", add the wild rice", 40, 16, [("wild rice", 24, False)]),
        (", add the wild rice, cover and simmer 15 minutes", 25, 10, [("wild rice", 15, True)]),
        # two too few are worth a start of their own, one is not
        (", add the wild rice, cover and simmer 15 minutes", 25, 23, [("wild rice", 2, True)]),
        (", add the wild rice, cover and simmer 15 minutes", 25, 24, []),
        (", add the wild rice, cover and simmer 15 minutes", 40, 32, []),
    ],
)
def test_another_raw_grain_keeps_what_it_had(
    before: str, together: int, now_min: float, found: list[tuple[str, int, bool]]
) -> None:
    recipe = read(TWO.format(before, together))
    assert recipe.simmer_min == together, "what the other had before is its own"
    assert [(e.name, e.minutes, e.had) for e in early(recipe, now_min)] == found


@pytest.mark.parametrize(
    ("was", "servings", "now"),
    [
        ("22 g parsley", 6, "35 g parsley"), ("12 g parsley", 6, "18 g parsley"), ("14 g parsley", 6, "20 g parsley"), ("3 bay leaves", 6, "5 bay leaves"),
        ("1 tsp salt", 6, "1½ tsp salt"), ("1/2 tsp turmeric", 2, "¼ tsp turmeric"),
    ],
)  # fmt: skip
def test_what_is_beside_it_comes_by_the_plates(was: str, servings: int, now: str) -> None:
    text = f"Pot\nServes 4\n\n300 g long-grain rice\n600 ml water\n{was}\n\n1. Boil all, cover, low 15 minutes. Rest 5 minutes.\n"
    made = pipeline.whole_way(text, Choice("quinoa", servings=servings))
    assert next(i["text"] for i in made["ingredients"] if i["was"] == was) == now


@pytest.mark.parametrize(
    ("said", "out"),
    [("chicken out after 25 min", True), ("Lift the drumsticks out after 30 minutes", True), ("after 20 minutes remove the bones", True), ("After 45 minutes remove the foil", False), ("after 10 minutes lift the lid", False), ("After 15 minutes stir in the peas", False)],
)  # fmt: skip
def test_what_comes_out_of_the_pot(said: str, out: bool) -> None:
    assert bool(TAKEN_OUT.search(said)) is out


def test_the_grain_there_is_most_of_is_the_pots_though_the_steps_name_another() -> None:
    recipe = read(
        "Mixed pot\nServes 4\n1 cup short-grain brown rice\n1/4 cup millet\n2 1/2 cups water\nSoak everything except the millet 6 hours. Boil it all, cover, low 35 minutes."
    )
    assert recipe.source_line is not None and recipe.source_line.grain == "rice-brown-short"


@pytest.mark.parametrize(
    ("made", "batter"),
    [
        (
            "Grind the dal fluffy with 1 1/2 cup water, rice coarse with 1 cup water. Ferment overnight. Steam 12 min.",
            True,
        ),
        ("Boil the rice 12 minutes. Drain. Blend the cooked rice with 1 cup water.", False),
        ("Blend with 4 cups water till smooth. Strain, stir in the sugar, chill.", True),
    ],
)
def test_a_batter_is_no_pot_of_whole_grain(made: str, batter: bool) -> None:
    recipe = read(f"Steamed cakes\n3 cups idli rice\n1 cup urad dal\nSoak the rice 6 hours. {made} Makes 30")
    assert any(p.code == "batter" for p in recipe.problems) is batter


@pytest.mark.parametrize(
    ("note", "laid"),
    [
        ("We have them with yoghurt and a cucumber.", True),
        ("For brown rice simmer 40 minutes.", True),
        ("Home » Sides » Plain rice", False),
        ("4.9 (88 reviews)", False),
        ("This post may contain affiliate links.", False),
    ],
)
def test_only_notes_of_the_dish_are_laid_before_the_cook(note: str, laid: bool) -> None:
    text = f"Plain rice\nServes 4\n200 g basmati rice\n400 ml water\nPut all in a pot. Boil, cover, simmer 12 minutes.\nNotes\n{note}\n"
    made = pipeline.whole_way(text, Choice("quinoa"))
    assert any(c["code"] == "note" and c["where"] == note for c in made["check"]) is laid


@pytest.mark.parametrize(
    ("ml", "mug_ml", "amount"), [(500, 200, 2.5), (510, 200, 2.75), (505, 200, 2.5), (40, 200, 0.25)]
)
def test_a_kettle_is_filled_to_the_next_quarter_of_the_cooks_mug(ml: float, mug_ml: float, amount: float) -> None:
    assert kettle_said(ml, "measure", mug_ml, "mug") == {"amount": amount, "unit": "mug"}


def test_a_soup_has_a_broth_of_five_times_its_grain_where_nobody_says_how_much() -> None:
    rows = {r.term: r.amount for r in pot("barley-pearl", 100.0, method="soup").rows}
    assert rows["broth"] == pytest.approx(500.0)


def test_a_line_that_is_new_is_marked_whole() -> None:
    made = pipeline.whole_way(
        "Coconut rice\n1 cup long-grain rice\n1 cup coconut milk\n\nSimmer the rice in the milk, covered, 18 minutes.",
        Choice("barley-pearl"),
    )
    new = [i for i in made["ingredients"] if i["was"] is None]
    assert [m for i in new for m in i["marks"]] == [[0, len(i["text"])] for i in new]
    assert [i["text"].split(" ", 1)[1] for i in new] == ["ml water"]


def test_whistles_told_in_two_parts_have_one_each_at_least_and_whole_things_stay_whole() -> None:
    text = (
        "Green pot\nServes 4\n\n1 cup basmati rice\n2 cups water\n1 bay leaf\n\n1. Add the rice, the bay leaf and water, close the cooker. "
        "Cook on high for 2 whistles, then on low for 2 more whistles. Let the pressure fall."
    )
    written = recipe_alone(pipeline.whole_way(text, Choice("quinoa", servings=5)))

    assert "high for 1 whistle, then on low for 1 more whistle." in written
    assert "- 1 bay leaf\n" in written


def test_a_list_that_reads_like_talk_is_one_as_far_as_it_goes() -> None:
    said = (
        "Ok, mum's way",
        "salt ... a bit",
        "the rice ... 2 cups",
        "water ... 4 cups",
        "love you",
        "",
        "peas ... 1 cup",
    )
    text = "\n".join(said)
    at, classes = 0, []
    for line in said:
        classes.append((at, at + len(line), "chatter", 0.9))
        at += len(line) + 1
    laid = Structure(plain=text, classes=classes)
    assert overlooked(laid, text, Measures()) == dict.fromkeys(said[1:4], "ingredient")
    told = "take 2 cups of rice with 3 cups of water and boil it 20 minutes"
    one = Structure(plain=told, classes=[(0, len(told), "chatter", 0.9)])
    assert overlooked(one, told, Measures()) == {told: "step"}


def test_stock_told_with_grain_and_meat_is_the_pots_though_the_list_has_water_beside_the_rice() -> None:
    def stock(told: str) -> str:
        text = f"Pot\nServes 4\n1 1/2 cups rice, 2 cups water\n1 cup stock\n300 g chicken\n1. {told} Cover and simmer 18 minutes.\n"
        return next(ln.role for ln in read(text).lines if ln.kind == "stock")

    assert stock("Brown the chicken. Add the rice, water and the stock with the chicken.") == "pot_liquid"
    assert stock("Braise the chicken in the stock. In a pot boil the water and the rice.") != "pot_liquid"


def test_it_is_looked_at_behind_the_last_of_its_boiling() -> None:
    text = "Pot\n300 g rice\n2 litres water\n1. Boil the rice in the water 5 minutes on high, then 9 minutes on low. Drain. Put it back, cover, steam 5 minutes.\n"
    recipe = read(text)
    at = last_heat(recipe)
    assert at is not None and "9 minutes" in recipe.process.operations[at].text


def test_what_is_boiled_by_itself_first_has_had_its_minutes() -> None:
    text = "Pot\n1 cup rice\n1 cup brown lentils\n4 cups water\n1. Rinse the lentils, boil in the water for 15 minutes. Add the rice, cover and simmer 16 minutes.\n"
    recipe = read(text)
    [lentils] = [ln for ln in recipe.lines if "lentils" in ln.name]
    assert _heated(recipe, lentils) == 15


@pytest.mark.parametrize(("laid", "later"), [("", False), ("When it steams, lay the raw chicken on top.", True)])
def test_what_is_laid_raw_into_a_cooker_at_work(laid: str, later: bool) -> None:
    first = "rice and water" if laid else "rice, water and raw chicken"
    text = f"Pot\nServes 2\n1 cup rice\n1 1/4 cups water\n300 g chicken thighs\n1. Wash well. Put {first} in the rice cooker. Press cook. {laid} When it clicks, leave it 10 minutes.\n"
    assert bool(raw_meanwhile(read(text))) == later


def test_a_dish_cooked_as_it_is_needs_things_and_steps() -> None:
    for text in ("Tea\n\n1 cup water\n2 tsp tea\n1 cup rice\n", "Soup\n\n1 cup lentils\n1. Boil.\n"):
        with pytest.raises(Refusal, match="needs what goes in"):
            as_it_is(read(text))


def test_the_second_power_of_a_microwave_is_told_when_it_comes() -> None:
    text = (
        "Pot\nServes 2\n1 cup rice\n2 cups water\n1. Boil the rice in the water, covered, 15 minutes. Rest 5 minutes.\n"
    )
    dinner = plan_dinner([Dish("a", read(text), Choice("quinoa", method="microwave"))], SEVEN, NOON, 2)
    steps = cooking.script_of(dinner.shifts, dinner.plan, NOON).steps
    assert [s for s in steps if "/stage" in s.id]


@pytest.mark.parametrize(
    ("told", "asks"),
    [
        ("Simmer uncovered on low, stirring, 20 minutes.", "a wider pan or a brisker heat"),
        ("Cover and simmer on low 20 minutes.", "a wider pot or no lid"),
        ("Boil 12 minutes, then drain.", ""),
    ],
)
def test_what_much_water_may_mean_is_said_by_the_lid(told: str, asks: str) -> None:
    text = (
        f"Pot\nServes 4\n200 g long grain rice\n1 litre water\n1. Bring the water to the boil. Add the rice. {told}\n"
    )
    said = " ".join(p.text for p in solve_backwards(read(text), Kitchen()).problems)
    usual = read(text.replace("1 litre", "420 ml"))
    assert "no lid" not in asks or not solve_backwards(usual, Kitchen()).problems
    assert asks in said and (asks != "" or "no lid" not in said and "brisker" not in said)


@pytest.mark.parametrize(
    ("cooked", "within"),
    [
        ("Stuff the peppers with the raw rice, stand them in the stock, cover and simmer 40 minutes.", True),
        (
            "Boil the stock, add the rice, cover and simmer 15 minutes, then stuff the peppers with it, to be eaten cold.",
            False,
        ),
    ],
)
def test_what_is_filled_when_it_is_cooked_cooks_in_no_sauce(cooked: str, within: bool) -> None:
    assert in_a_sauce(read("Stuffed peppers\n100 g rice\n300 ml stock\n4 peppers\n" + cooked)) is within


def test_a_rest_behind_the_serving_is_not_the_pots() -> None:
    pot = "Plain pot\n200 g basmati\n400 ml water\nBoil the water, add the rice, cover and simmer 12 minutes. "
    before = rest_said(read(pot + "Let it stand covered. Fluff and serve."))
    assert before is not None and before.text.startswith("Let it stand")
    assert rest_said(read(pot + "Fluff and serve. Let it stand covered for whoever is late.")) is None


def test_a_soup_in_a_cooker_that_clicks_when_dry_is_told_so() -> None:
    soup = "Carrot soup\nServes 4\n100 g rice\n1.5 l stock\n2 carrots\nBoil the stock, add the rice and the carrots and simmer 20 minutes."
    dry = "Plain pot\n200 g rice\n400 ml water\nBoil the water, add the rice, cover and simmer 12 minutes."
    said = {t: pipeline.shift(read(t), Choice("barley-pearl", method="rice-cooker")).check for t in (soup, dry)}
    assert [p.code for p in said[soup]] == ["soup_dry"] and not said[dry]


def test_what_cooks_under_the_bowl_is_told_of() -> None:
    text = (
        "Split peas and rice, pot-in-pot\nServes 4\nRice: 1 cup basmati, 1 1/4 cup water in a steel bowl.\nPeas: 1 cup split peas, 3 cups water in the inner pot.\n"
        "Put a trivet over the peas, the bowl of rice on it. Lid on, sealing, pressure cook 6 min high. Natural release 10 min. Lift the bowl out, fluff."
    )
    said = {slug: [p.code for p in pipeline.shift(read(text), Choice(slug)).check] for slug in ("quinoa", "sorghum")}
    assert "shared_cooker" in said["quinoa"] and "shared_cooker" not in said["sorghum"]


def test_two_rices_as_one_have_no_habit_of_too_little_water() -> None:
    def own(water: int) -> float:
        text = f"Two rices\n100 g basmati rice\n100 g brown rice\n{water} ml water\nBoil the water, add both rices, cover and simmer 30 minutes."
        both = next(d for d in read(text).doubts if d.field == "grain").choices[2]
        made = pipeline.shift(read(text, corrections=(both.correction, both.also)), Choice("barley-pearl"))
        return made.own.habit_ml

    assert own(300) == 0 < own(520)


@pytest.mark.parametrize(
    ("cooked", "where", "lid"),
    [
        ("Boil the water, add the rice, cover and simmer 12 minutes.", "under a lid", True),
        ("Put all in the rice cooker and press cook. When it clicks leave it 10 minutes.", "in a rice cooker", False),
        (
            "In the pressure cooker, lid locked, 5 minutes at high pressure, natural release 10 minutes.",
            "under pressure",
            False,
        ),
    ],
)
def test_what_is_shut_by_itself_has_no_lid_to_choose(cooked: str, where: str, lid: bool) -> None:
    shift = pipeline.shift(read("Plain rice\n200 g basmati\n850 ml water\n" + cooked), Choice("barley-pearl"))
    [said] = [p.text for p in shift.problems if p.code == "water_habit"]
    assert f"than fluffy basmati rice needs {where}: softer" in said
    assert ("no lid?" in said, "texture or lid" in said) == (lid, lid)


def test_a_grain_measured_before_it_is_cooked_can_be_read_whatever_it_reaches() -> None:
    """Some grains are only ever soft: their cooked weight is that of their driest."""
    for g in all_grains():
        source = read(f"Bowl\n1 cup {g.name}, cooked in 2 cups water\n1 egg\n\nWarm it 5 minutes.").source_line
        assert source is not None and source.cooked and (source.g or 0) > 200, g.slug


def test_a_dish_that_ends_in_the_oven_is_asked_nothing_of_its_hour() -> None:
    """Only a part of it need be told of the oven."""
    text = "Bake\n300 g basmati\n700 ml stock\n\nBoil the rice in the stock 10 minutes.\nThen bake it all 50 minutes."
    assert not [p for p in report(text, "quinoa")["problems"] if p["code"] == "time_habit"]


def test_a_text_without_a_grain_is_refused_as_a_whole() -> None:
    with pytest.raises(Refusal) as refused:
        pipeline.whole_way(
            "Salad\n1 cucumber\n2 tomatoes\n\nSlice the cucumber and the tomatoes. Salt them.", Choice("quinoa")
        )
    assert refused.value.problem.where == "text"


def test_a_taste_out_of_the_boil_goes_with_the_boil() -> None:
    text = "Pot\n300 g basmati\n\nBoil the rice in plenty of salted water 10 minutes. Taste a grain. Drain it well."
    told = recipe_alone(pipeline.whole_way(text, Choice("foxtail-millet", method="covered")))
    assert "Taste" not in told and "Drain it" not in told


def test_rice_stirred_in_a_bowl_long_before_the_pan_is_not_toasted_in_it() -> None:
    said = "Stir the rice in a bowl with the salt and set it by till the board and the knife are wiped and dry again. "
    then = "Fry the onion 5 minutes. Add the rice and water, bring to a boil, cover and simmer 15 minutes.\n"
    dish = "Pot\nServes 2\n1 cup basmati rice\n2 cups water\n1 onion\n\n"
    assert not solve_backwards(read(dish + said + then), Kitchen()).toasts
    assert solve_backwards(read(dish + "Fry the onion and the rice 5 minutes. " + then[25:]), Kitchen()).toasts


POT = (
    "Yellow pot\nServes 4\n100 g pudding rice\n{}\n\nBring everything to the boil, then simmer 30 minutes, stirring.\n"
)


@pytest.mark.parametrize(
    ("listed", "carry"),
    [
        # where it swims in milk, the milk carries the change with the little water there is; else water does
        ("600 ml milk\n100 ml water", ["100 ml water", "600 ml milk"]),
        ("600 ml milk\n500 ml water", ["500 ml water"]),
        ("100 ml milk\n150 ml water", ["150 ml water"]),
        # a tin is opened whole where something can be measured that is enough
        ("1 tin coconut milk (400 ml)\n300 ml milk", ["300 ml milk"]),
        ("1 carton coconut milk (500 ml)\n300 ml milk", ["300 ml milk"]),
        ("2 tins coconut milk (400 ml each)\n100 ml milk", ["2 tins coconut milk (400 ml each)", "100 ml milk"]),
        ("1 tin coconut milk (400 ml)\n1 tin coconut milk (400 ml)", ["1 tin coconut milk (400 ml)"] * 2),
        # … but a can of water is measured with it, and what is counted in spoons seasons
        ("1 can condensed soup\n1 can water", ["1 can water"]),
        ("300 ml water\n2 tbsp soy sauce", ["300 ml water"]),
    ],
)
def test_what_carries_a_change_of_the_water(listed: str, carry: list[str]) -> None:
    assert [ln.text for ln in carriers(read(POT.format(listed)))] == carry


BAKED = "Baked pot\nServes 4\n200 g long-grain rice\n1 litre water\n300 ml stock\n\n{}\n"


@pytest.mark.parametrize(
    ("steps", "carry"),
    [
        ("Boil the rice in the water for 12 minutes, drain. Put it in a dish, pour the stock over and bake 20 minutes.", ["1 litre water"]),
        ("Boil the rice in the water and stock for 12 minutes, drain. Put it in a dish and bake 20 minutes.", ["1 litre water", "300 ml stock"]),
        # blanched, it drinks what comes then
        ("Boil the rice in the water for 3 minutes, drain. Put it in a dish, pour the stock over and bake 20 minutes.", ["1 litre water", "300 ml stock"]),
        ("Boil the rice in the water for 12 minutes, drain. Stir the stock into a sauce with 2 leeks and serve.", ["1 litre water"]),
    ],
)  # fmt: skip
def test_what_is_poured_when_the_grain_was_drained_is_not_its_water(steps: str, carry: list[str]) -> None:
    recipe = read(BAKED.format(steps))
    assert [ln.text for ln in carriers(recipe)] == carry
    assert others(recipe) == ()


def test_twice_the_plates_are_twice_the_pot() -> None:
    text = (
        "Leek and coconut pot\nServes 2\n150 g long-grain rice\n1 tin coconut milk (400 ml)\n500 ml stock\n50 g red lentils\n2 leeks\n\n"
        "Simmer the rice, lentils and leeks in the stock and coconut milk, covered, 18 minutes.\n"
    )
    recipe = read(text)
    one, two = (others(recipe, scale) for scale in (1.0, 2.0))
    assert [(b.name, b.ml * 2) for b in one] == [(b.name, b.ml) for b in two]
    assert [b.ml > 0 for b in one] == [True, False]
    # more than twice what the grain needs is a soup, and there is twice as much of it
    soup = read(
        "Leek pot\nServes 2\n100 g long-grain rice\n1.5 litres stock\n2 leeks\n\nBoil the rice and leeks in the stock, covered, 15 minutes.\n"
    )
    poured = [shift(soup, Choice("quinoa", servings=n)).pot.pour_ml for n in (2, 4, 8)]
    assert poured == pytest.approx([poured[0], 2 * poured[0], 4 * poured[0]], rel=0.02)


def test_whistles_are_as_long_as_this_cooker_makes_them() -> None:
    recipe = read(
        "Pot\nServes 4\n300 g long-grain rice\n450 ml water\n\nPut rice and water in the pressure cooker. 3 whistles and 5 minutes more. Let the pressure go by itself.\n"
    )
    short, long = (solve_backwards(recipe, Kitchen(whistle_min=n)) for n in (3.0, 6.0))
    assert long.habit_min - short.habit_min == pytest.approx(3 * 3.0)


def test_a_grain_that_only_steeps_has_no_lid_way() -> None:
    recipe = read(
        "Pot\nServes 4\n300 g couscous\n400 ml stock\n\nSimmer the couscous in the stock, covered, 5 minutes. Rest 5 minutes.\n"
    )
    assert recipe.method == "covered"
    assert solve_backwards(recipe, Kitchen()).way.method == "steep"


COOKER = "Plain pot\nServes 2\n300 g short-grain rice\n360 ml water\n200 g salmon\n20 g butter\n\n{}\n"


@pytest.mark.parametrize(
    ("steps", "cooks", "behind"),
    [
        # pressed: it cooks from there on, or from when something joins until it clicks
        ("Wash the rice, into the cooker with the water, press start. Butter in, fluff.", None, "press start"),
        ("Wash the rice, into the rice cooker with the water. Press start. When it bubbles lay the salmon on top. When it clicks, butter in.", None, "lay the salmon on top"),
        ("Wash the rice, into the rice cooker with the water. Cook. When it beeps, butter in.", None, "Cook"),
        # in a pot it is the word that cooks it
        ("Wash the rice, put it in a pot with the water, boil, and cook it slowly until done. Serve with the salmon.", "cook it slowly", "cook it slowly"),
    ],
)  # fmt: skip
def test_where_a_grain_cooks_that_is_told_no_minutes(steps: str, cooks: str | None, behind: str) -> None:
    recipe = read(COOKER.format(steps))
    ops = recipe.process.operations
    at, end = untimed(recipe)
    assert (None if at is None else ops[at].text[: len(cooks or "")]) == cooks
    assert any(behind in o.text for o in ops[max(0, end - 2) : end]), [o.text for o in ops[:end]]
