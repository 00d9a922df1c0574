"""What is rolled up raw, what a rinse leaves behind, rice that the steps cook, and whose heat it is: texts no longer than they need to be."""

from __future__ import annotations

import re

import pytest

from mealshift import pipeline
from mealshift.grains import all_grains, grain
from mealshift.process import Operation
from mealshift.reading import read
from mealshift.reading.names import as_rice
from mealshift.shifting import Choice, shift
from mealshift.writing.text import recipe_alone

ROLLS = """Filled leaves

1 large head green cabbage, cored
1 lb ground beef
3/4 cup uncooked white rice
1 can (8 oz) tomato sauce

1. Boil the cabbage in salted water 8-10 min, peeling off leaves as they soften.
2. Mix the meat, raw rice and 1/4 cup of the tomato sauce. Put 1/3 cup of filling on each leaf, tuck in sides and roll.
3. Layer in a Dutch oven. Mix the remaining sauce with 1 cup water, pour over. Cover and bake at 325 for 2 hours.
"""


def written(text: str, slug: str, method: str | None = None) -> str:
    return recipe_alone(pipeline.whole_way(text, Choice(slug, method=method)))


# -- what is filled raw ----------------------------------------------------------------------------------------------


@pytest.mark.parametrize("slug", [g.slug for g in all_grains() if g.family != "rice" and g.simmer])
def test_raw_meat_in_a_roll_bakes_as_long_as_it_did_whatever_the_grain(slug: str) -> None:
    made = shift(read(ROLLS), Choice(slug))
    out = written(ROLLS, slug)

    baked = re.search(r"bake at 325 for (?:(\d) hours?)?(?: ?(\d+) minutes)?", out)
    assert baked and int(baked[1] or 0) * 60 + int(baked[2] or 0) >= 100, out
    assert made.pot.way.method == "oven" and "lowest heat, lid on" not in out and "rain in" not in out


def test_a_meal_in_a_filling_is_told_to_turn_to_a_paste_and_another_grain_is_not() -> None:
    said = {g: [p.code for p in shift(read(ROLLS), Choice(g)).problems] for g in ("millet-grits", "quinoa")}

    assert "paste" in said["millet-grits"] and "paste" not in said["quinoa"]
    # a way the cook chose is the cook's
    assert shift(read(ROLLS), Choice("millet-grits", method="covered")).pot.way.method == "covered"


# -- cooked, says the list -------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("line", "step", "cooked", "grams"),
    [
        # the steps cook it in as much water as dry grain drinks: it is dry
        ("Basmati rice - 1 cup (cooked & cooled)", "Cook the rice with 2 cups water for 3 whistles. Cool.", False, 185),
        ("1 cup cooked basmati rice", "Boil the rice in 3 cups of water, 12 minutes. Drain.", False, 185),
        # three cups of cooked rice come of less water than their own
        ("3 cups cooked basmati rice", "Cook the rice with 2 cups water for 3 whistles. Cool.", True, None),
        # nothing cooks it
        ("1 cup cooked basmati rice", "Fry the onion.", True, None),
        ("1 cup cooked basmati rice", "Boil the peas in 2 cups of water, 5 minutes.", True, None),
    ],
)
def test_rice_that_the_steps_cook_is_dry(line: str, step: str, cooked: bool, grams: float | None) -> None:
    found = read(
        f"Lemon pan\nServes 2\n\n{line}\n1 lemon\n2 tbsp oil\n\n1. {step}\n2. Heat the oil, add the rice and mix.\n"
    ).source_line

    assert found is not None and found.cooked is cooked
    assert grams is None or round(found.g or 0) == pytest.approx(grams, abs=6)


@pytest.mark.parametrize(
    ("line", "dry_ml"),
    [
        ("1 cup basmati rice (cooked & cooled, about 3 cups cooked)", 237),
        ("2 cups basmati rice, cooked (about 6 cups cooked)", 474),
    ],
)
def test_an_amount_that_swells_in_its_bracket_is_dry_and_cooked_before(line: str, dry_ml: float) -> None:
    found = read(
        f"Lemon pan\nServes 2\n\n{line}\n1 lemon\n2 tbsp oil\n\n1. Heat the oil, add the rice and mix.\n"
    ).source_line
    assert found is not None and found.cooked and found.grain

    g = grain(found.grain)
    assert (found.g or 0) / (1 + g.hydration_at(1.0)) == pytest.approx(dry_ml * g.density, rel=0.02)


# -- nothing left over -----------------------------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("rinse", "left"),
    [
        ("Rinse the rice, pouring off and repeating 4 times.", r"our|epeat"),
        ("Wash the rice in a bowl, swishing, until the water runs clear. Drain.", r"wish|clear|Drain"),
        ("Rinse the rice, changing the water twice. Drain in a sieve 15 minutes.", r"hang|sieve"),
        # what is not of the rinse stays
        ("Rinse the rice. Chop the onion and rinse the pan.", r"Rinse the rice|Rinse the grits"),
    ],
)
def test_of_a_rinse_that_goes_nothing_stays(rinse: str, left: str) -> None:
    text = f"Soft pot\nServes 2\n\n1 cup basmati rice\n2 cups water\n1 onion\n\n1. {rinse}\n2. Bring the water to the boil, add the rice and onion, cover and cook on the lowest heat for 15 minutes."
    out = written(text, "millet-grits").split("Method")[1]

    assert not re.search(left, out), out
    assert ("Chop the onion and rinse the pan." in out) == ("Chop" in rinse)


@pytest.mark.parametrize(
    ("line", "stands"),
    [
        ("200 g risotto rice (such as Carnaroli)", "g quinoa"),
        ("200 g basmati rice (e.g. the aged kind)", "g quinoa"),
        ("1 cup basmati rice (optional)", "quinoa (optional)"),
        ("2 cups cold rice (cooked)", "g quinoa"),
    ],
)
def test_a_bracket_that_is_the_old_rices_goes_whole(line: str, stands: str) -> None:
    out = written(
        f"Soft pot\nServes 2\n\n{line}\n400 ml water\n\n1. Simmer the rice in the water, covered, 15 minutes.", "quinoa"
    )
    listed = next(x for x in out.split("\n") if "quinoa" in x and x.startswith("- "))

    assert listed.endswith(stands) and "()" not in listed


# -- whose heat, whose thing -----------------------------------------------------------------------------------------


def heats(step: str) -> list[str]:
    ops: list[Operation] = list(
        read(
            f"Pot\nServes 2\n\n1 cup basmati rice\n2 cups water\n\n1. Add the rice and water. {step}"
        ).process.operations
    )
    return [o.heat for o in ops if o.phase == "heat" and o.told]


@pytest.mark.parametrize(
    "step",
    [
        "Cook 10 minutes over high heat and 8 minutes over low.",
        "Cook 10 minutes over a fierce heat, then 8 minutes on the lowest.",
        "Cocer 10 minutos a fuego fuerte y 8 minutos a fuego lento.",
        "Cuire 10 minutes à feu vif, puis 8 minutes à feu doux.",
        "Cuocere 10 minuti a fuoco vivo e 8 minuti a fuoco basso.",
    ],
)
def test_each_of_two_stretches_has_its_own_heat(step: str) -> None:
    assert heats(step) == ["high", "low"]


@pytest.mark.parametrize(
    ("line", "is_grain"),
    [
        ("1 jar (280 g) pickled vegetables for rice", False),
        ("1 sachet seasoning for the rice", False),
        ("2 cups for the rice", True),
        ("1 cup rice for the pot", True),
    ],
)
def test_what_goes_with_rice_is_none(line: str, is_grain: bool) -> None:
    found = read(
        f"Pot\nServes 2\n\n300 g basmati rice\n{line}\n600 ml water\n\n1. Simmer the rice in the water, covered, 15 minutes."
    )

    assert (found.lines[1].grain is not None) == is_grain


@pytest.mark.parametrize(
    ("title", "want"),
    [
        ('"Company" chicken & rice', '"Company" chicken & rice'),
        ('"Best ever rice"', "Best ever rice"),
        ('Best ever rice"', "Best ever rice"),
        ("Green rice – what you need", "Green rice"),
        ("Green rice | Ingredients", "Green rice"),
    ],
)
def test_a_title_keeps_its_quotes_and_nothing_of_the_list(title: str, want: str) -> None:
    assert read(f"{title}\nServes 2\n\n200 g rice\n400 ml water\n\n1. Simmer 15 minutes, covered.").title == want


# -- where a thing stands --------------------------------------------------------------------------------------------

CHAT = """[10:02] Meena: 1.5 cups rice, wash n soak 20 min
[10:03] Meena: {line}
[10:04] Meena: drained rice in, 2.5 cups water, salt
[10:05] Meena: close, 2 whistles, off, open when the pressure is gone
"""


@pytest.mark.parametrize(
    ("line", "cls"),
    [
        ("2 tbsp oil + 1 tsp jeera + 1 onion sliced, fry till brown", "step"),
        ("grind 1 bunch coriander, 2 green chilli, small pc ginger", "step"),
        ("fry 1 onion in 2 tbsp oil till golden", "step"),
    ],
)
def test_a_chats_deed_is_a_step_and_stays_in_the_recipe(line: str, cls: str) -> None:
    found = read(CHAT.format(line=line))
    told = {found.plain[a:b]: c for a, b, c, _ in found.line_classes}

    assert next(c for text, c in told.items() if line in text) == cls
    assert line in " ".join(s.text for s in found.steps)


@pytest.mark.parametrize("head", ["HOW", "How:", "How to", "The how", "How it's done"])
def test_a_heading_of_one_word_parts_the_list_from_the_steps(head: str) -> None:
    found = read(
        f"Green pot\nServes 2\n\n250 g basmati rice\n500 ml hot stock\n1 onion\n{head}\n1. Rice and stock in, lid on, 12 minutes low.\n2. Off the heat, 5 minutes."
    )

    assert [ln.name for ln in found.lines] == ["basmati rice", "hot stock", "onion"]
    assert len(found.steps) == 2 and not found.steps[0].section


@pytest.mark.parametrize(
    ("step", "stands"),
    [
        ("cook for 18 mins – rice should be just tender.", ". Farro should be just tender."),
        ("cook for 18 mins - the rice should be just tender.", ". The farro should be just tender."),
        ("cook for 18 mins; rice will be just tender.", ". Farro will be just tender."),
    ],
)
def test_a_sentence_that_the_look_parts_begins_with_the_new_name(step: str, stands: str) -> None:
    out = written(
        f"Pea pot\nServes 4\n\n275 g risotto rice\n800 ml hot stock\n\n1. Add the rice and stock, bring to a simmer, lid on, {step}\n2. Stand 2 mins.",
        "farro-pearled",
    )

    assert "Look:" in out and stands in out and not re.search(r"\brice\b", out, re.I)


@pytest.mark.parametrize(
    "oven",
    [
        "Precalentar el horno a 200 ºC.",
        "Préchauffez le four à 200 °C.",
        "Preriscaldare il forno a 200 °C.",
        "Den Ofen auf 200 °C vorheizen.",
        "Preheat the oven to 200C.",
    ],
)
def test_no_oven_is_heated_for_a_pot_in_any_tongue(oven: str) -> None:
    text = f"Pot\nServes 4\n\n300 g basmati rice\n600 ml stock\n\n1. {oven}\n2. Put the rice and the boiling stock in a dish, cover and bake 25 minutes. Rest 5 minutes."

    assert oven in written(text, "quinoa")
    assert oven not in written(text, "quinoa", "covered")


@pytest.mark.parametrize(
    ("step", "stands"),
    [
        # an amount that only this clause tells stays, and waits
        ("Put a teacup of rice in the big pan. Cover it with 2 teacups of milk", "a teacup of millet grits (not yet)"),
        # one that the list tells goes, for the meal is rained in
        ("Put the rice in the big pan. Cover it with the milk", "rain in the millet grits"),
    ],
)
def test_a_clause_that_alone_tells_how_much_is_not_taken_out(step: str, stands: str) -> None:
    listed = "" if "teacup" in step else "1 cup basmati rice\n2 cups milk\n\n"
    out = written(
        f"Soft pot\nServes 2\n\n{listed}1. {step}, bring to the boil and let it tick over very gently for 45 minutes.",
        "millet-grits",
    )

    assert stands in out, out


@pytest.mark.parametrize(
    "name",
    [
        "quinoa",
        "millet",
        "millets",
        "pearl barley",
        "bulgur",
        "bulghur",
        "couscous",
        "amaranth",
        "teff",
        "fonio",
        "farro",
        "spelt",
        "freekeh",
        "sorghum",
        "jowar",
        "bajra",
        "ragi",
        "buckwheat",
        "kasha",
        "oats",
        "steel-cut oats",
        "oatmeal",
        "semolina",
        "polenta",
        "cornmeal",
        "rava",
        "dalia",
        "kodo",
        "little millet",
        "barnyard",
        "proso",
        "broken wheat",
        "cracked wheat",
        "maize meal",
        "finger millet meal",
    ],
)
def test_every_other_grain_is_rice_to_the_taggers(name: str) -> None:
    assert as_rice(f"Rinse the {name}, then the {name.upper()}.") == "Rinse the rice, then the rice."
    assert as_rice("Rinse the potato, the cord and the oat") == "Rinse the potato, the cord and the oat"


@pytest.mark.parametrize(
    "aside",
    [
        "(Or simmer on the stove on low for 1 1/2 hrs.)",
        "(Or cook in a slow cooker 6 hours.)",
        "(or bake in the oven, covered, 50 minutes)",
    ],
)
def test_another_way_in_brackets_is_no_work_of_the_evening(aside: str) -> None:
    found = read(
        f"Pot\nServes 4\n\n1 cup basmati rice\n2 cups stock\n\n1. Add the rice and stock, bring to the boil, cover and simmer 15 minutes. {aside} Rest 10 minutes."
    )

    assert [o.typical_min for o in found.process.operations if o.told] == [15, 10]


# -- what the list has cooked, and a step boils --------------------------------------------------------------------------

LISTED = "Box lunch\nServes 6\n- 600 g cooked rice\n- 1 cucumber\n\n{}"
BOILED = LISTED.format(
    "Cook the rice in plenty of boiling salted water for 11 minutes, drain and cool. Mix everything."
)


def test_what_is_listed_cooked_and_boiled_in_a_step_is_asked_and_either_answer_holds() -> None:
    recipe = read(BOILED)
    [asked] = [d for d in recipe.doubts if d.field == "amount"]
    comes_to, dry = [c.correction for c in asked.choices]
    own = recipe.source_line
    assert own is not None and not own.cooked and own.g == pytest.approx(600 / 2.7, rel=0.03)
    for said, g in ((comes_to, round(own.g or 0)), (dry, 600)):
        answered = read(BOILED, corrections=(said,))
        line = answered.source_line
        assert line is not None and (line.cooked, line.g) == (False, g) and answered.method == "drain"
        assert not [d for d in answered.doubts if d.field == "amount"]


@pytest.mark.parametrize(
    "steps",
    [
        # made hot, not cooked; so much water that it is a soup; somebody else's rice
        "Heat the rice in a little boiling water for 2 minutes. Mix everything.",
        "Simmer the rice in 3 litres water for 12 minutes. Mix everything.",
        "Fry the rice 5 minutes. Mix everything.",
    ],
)
def test_what_is_listed_cooked_and_only_made_hot_stays_cooked(steps: str) -> None:
    line = read(LISTED.format(steps)).source_line
    assert line is not None and line.cooked and line.g == 600


# -- what only the old cooking named ---------------------------------------------------------------------------------------


def test_nothing_goes_into_the_liquid_that_was_to_stay_out() -> None:
    text = "Plain pot\nServes 4\n250 g long-grain rice\n600 ml stock\n1 tsp salt\n20 g butter\n\nCook the rice in the stock{}, covered, for 18 minutes. Stir in the butter{}.\n"
    told = written(text.format(" with the salt", ""), "couscous")
    assert "The salt goes into the liquid too." in told and "Stir in the butter." in told
    for without in (" without salt", " (no salt)", " (don't add the salt)"):
        assert "salt goes into" not in written(text.format(without, " and salt"), "couscous")
