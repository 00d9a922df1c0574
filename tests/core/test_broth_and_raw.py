"""A broth that stays over the grain, what goes in raw beside it, and whose liquid a sentence means."""

from __future__ import annotations

from datetime import datetime

import pytest

from mealshift import cooking
from mealshift.grains import grain
from mealshift.planning import Dish, plan_dinner
from mealshift.planning.acts import acts_of
from mealshift.pot import Kitchen, default_way, solve
from mealshift.reading import read
from mealshift.recipe import Recipe
from mealshift.shifting import Choice, shift

SEVEN, NOON = datetime(2026, 11, 25, 19, 0), datetime(2026, 11, 25, 12, 0)

SOUP = """Mushroom broth with rice
Serves 6
1 onion, diced
{stock}
3/4 cup long-grain brown rice
Set the pot to sauté. Warm the oil, add onion and cook 5 minutes. Press cancel.
Add stock and rice. Lock the lid and cook at high pressure for 22 minutes. Let the pressure come down naturally for 10 minutes, then release the rest.
"""


@pytest.mark.parametrize(
    ("stock", "swims"), [("1 1/4 cups stock", False), ("2 cups stock", False), ("6 cups stock", True)]
)
def test_a_broth_that_stays_is_told_by_how_much_of_it_there_is(stock: str, swims: bool) -> None:
    made = shift(read(SOUP.format(stock=stock)), Choice("quinoa"))
    said = " ".join(s.text for s in made.method.steps)
    assert made.pot.swims is swims
    assert ("no water when you tilt the pot" in made.pot.sign) is not swims
    assert ("Add 20 ml" in said) is not swims


@pytest.mark.parametrize("slug", ["quinoa", "barley-pearl", "bulgur-coarse", "sorghum"])
def test_no_grain_swims_in_its_own_account(slug: str) -> None:
    g = grain(slug)
    assert not solve(g, 400.0, default_way(g), Kitchen()).swims


BAKED = """Chicken on rice
Serves 4
6 chicken thighs, bone in
300 g long-grain rice
600 ml stock
1. Heat the oven to 180 C. Put the rice and stock in a dish, lay the chicken thighs on the rice, cover with foil and bake for {minutes} minutes.
2. Rest 5 minutes.
"""


@pytest.mark.parametrize(("minutes", "to"), [(45, "couscous"), (40, "couscous"), (50, "quinoa")])
def test_what_was_baked_raw_bakes_on_in_text_plan_and_stove_alike(minutes: int, to: str) -> None:
    made = plan_dinner([Dish("k", read(BAKED.format(minutes=minutes)), Choice(to))], SEVEN, NOON, 2)
    [shifted] = made.shifts.values()
    steps = cooking.script_of(made.shifts, made.plan, NOON).steps
    on = [s for s in steps if s.title.startswith("Cook on: the chicken thighs")]
    told = [o for o in shifted.process.operations if o.kind == "cook_on"]
    assert [s.minutes for s in on] == [o.typical_min for o in told]
    if to == "couscous":
        [card], [cook] = on, [s for s in steps if s.kind == "cook"]
        assert "74 °C" in card.look and f"about {card.minutes} minutes more" in card.words
        assert card.planned >= cook.planned + cook.minutes
        [task] = [s.task for s in made.plan.tasks if s.task.id == card.id]
        assert task.resource == "oven" and task.minutes == card.minutes
    # what is left out by a touch is gone from all of them
    bare = shift(read(BAKED.format(minutes=minutes)), Choice(to, as_was=("+cook_on",)))
    assert not any("went in raw" in s.text for s in bare.method.steps)


def test_what_cooks_on_is_an_act_of_its_own_between_heat_and_rest() -> None:
    made = shift(read(BAKED.format(minutes=45)), Choice("couscous"))
    kinds = [a.kind for a in acts_of(made).after]
    assert kinds.index("cook_on") < kinds.index("rest")


def water(recipe: Recipe) -> int:
    return round(sum(ln.ml or 0 for ln in recipe.lines if ln.role == "pot_liquid"))


STEW = """Chicken in a brown sauce, and rice
Serves 4
8 chicken thighs
1 tin tomatoes (400 g)
300 g basmati rice
Brown the chicken. Add the tomatoes and 250 ml stock, simmer 40 minutes. {rice}
"""


@pytest.mark.parametrize(
    ("rice", "ml"),
    [
        # the rice's own sentence, with enough for it
        ("Cook rice: 600 ml water, to the boil, lid on, 10 min, off 5 min.", 600),
        ("Rice: 600 ml water, to the boil, lid on, 10 min, off 5 min.", 600),
        # one pot: all of it is the rice's
        ("Add the rice and 600 ml water, lid on, 10 min, off 5 min.", 1250),
    ],
)
def test_the_rices_own_sentence_has_the_rices_water(rice: str, ml: int) -> None:
    assert water(read(STEW.format(rice=rice))) == ml


LAMB = """Lamb with rice, slowly
Serves 6
1 kg lamb shoulder
500 g basmati rice
Add the lamb to 1.5 litres water, simmer 1 1/2 hours. {kept}
Put the rice in a heavy pot, pour over {part}. Boil, cover, lowest heat 15 minutes, off 5 minutes.
"""


@pytest.mark.parametrize(
    ("kept", "part", "ml"),
    [
        ("Strain, keep the broth (about 1.2 litres).", "800 ml of the broth", 800),
        ("Strain, keep the broth (about 1.2 litres).", "800 ml of this hot stock", 800),
        # as much as was kept
        ("Strain.", "800 ml of the broth", 800),
    ],
)
def test_of_what_was_kept_only_a_part_goes_in(kept: str, part: str, ml: int) -> None:
    assert water(read(LAMB.format(kept=kept, part=part))) == ml


TAVA = """Pulao from the cooker, finished in a pan
serves 3
1 cup basmati rice, soaked for 20 mins
1.75 cup water
2 tomatoes, chopped
{steps}
"""


@pytest.mark.parametrize(
    ("steps", "tomatoes"),
    [
        (
            "Pressure cook the rice with the water for 2 whistles. Let the pressure fall. Spread on a plate to cool.\nIn a pan cook the tomatoes 5 mins. Add the rice, toss.",
            False,
        ),
        ("Put the tomatoes, rice and water in the cooker. Pressure cook for 2 whistles. Let the pressure fall.", True),
    ],
)
def test_tomatoes_count_where_the_grain_drinks_of_them(steps: str, tomatoes: bool) -> None:
    recipe = read(TAVA.format(steps=steps))
    [ln] = [x for x in recipe.lines if x.kind == "tomato"]
    assert (ln.role == "pot_liquid") is tomatoes


@pytest.mark.parametrize(
    ("milk", "steps", "method"),
    [
        (
            "1/4 cup milk",
            "Boil the rice in plenty of water 12 min. Drain. Add rice and milk to the ghee, cover, 8 min.",
            "drain",
        ),
        ("6 cups milk", "Boil the milk. Add the rice, simmer 40 min, stirring.", "open"),
    ],
)
def test_only_what_swims_in_milk_is_never_drained(milk: str, steps: str, method: str) -> None:
    recipe = read(f"Sweet rice\nServes 6\n1 cup basmati rice\n{milk}\n1 cup sugar\n{steps}\n")
    assert (recipe.method == "drain") is (method == "drain")


CHAT = """Ben: 1 cup jasmine
Ben: 1 1/4 cup water
Ada: {asked}
Ben: {said}
Ben: lid, lowest 12 min, off 10 min"""


@pytest.mark.parametrize(
    ("asked", "said", "things"), [("salt?", "nope", []), ("salt?", "1 tsp salt", ["1 tsp salt"]), ("peas?", "yes", [])]
)
def test_a_question_that_is_answered_is_no_thing(asked: str, said: str, things: list[str]) -> None:
    recipe = read(CHAT.format(asked=asked, said=said))
    names = [ln.text for ln in recipe.lines]
    assert names[:2] == ["1 cup jasmine", "1 1/4 cup water"] and water(recipe) == 296 and recipe.rest_min == 10
    assert [n for n in names if n in (said, "nope", "yes")] == things
    assert things or asked not in names


def test_a_list_that_doubts_itself_keeps_its_things() -> None:
    text = "Stuffed peppers, half remembered\nServes 4\n200 g rice\n400 ml water\ngarlic?\n4 peppers\nBoil the rice in the water, covered, 15 minutes. Fill the peppers with it.\n"
    assert any("garlic" in ln.text for ln in read(text).lines)


@pytest.mark.parametrize(
    ("line", "now"),
    [
        ("2 (14 oz.) cans beef broth", "ml beef broth"),
        ("2 14.5-ounce cans beef broth", "ml beef broth"),
        ("1 carton (32 oz) beef broth", "ml beef broth"),
        ("2 tins (400 ml each) beef broth", "ml beef broth"),
        ("800 ml (a carton) beef broth", "ml (a carton) beef broth"),
        ("3 1/2 cups (840 ml) beef broth", "cups beef broth"),
    ],
)
def test_broth_out_of_tins_is_said_without_them(line: str, now: str) -> None:
    def text(cups: str) -> str:
        return f"Plain pilaf\nServes 4\n{cups} cup long grain rice\n{line}\nAdd rice and broth. Boil, cover, simmer 18 minutes. Rest 5.\n"

    [said] = [ln.text for ln in shift(read(text("2")), Choice("couscous")).lines if "broth" in ln.text]
    assert said.endswith(now) and said != line
    # what is opened whole stays whole where the grain drinks more, and water does the rest
    lines = [ln.text for ln in shift(read(text("1 1/2")), Choice("barley-pearl")).lines]
    assert (line in lines and any(x.endswith("ml water") for x in lines)) == (" can" in line or "tins" in line)


@pytest.mark.parametrize(
    ("line", "ml"),
    [
        ("1 litro y medio de leche", 1500),
        ("1 litro e mezzo di latte", 1500),
        ("1 litre et demi de lait", 1500),
        ("1 liter and a half of milk", 1500),
        ("1 litro de leche y media vaina de vainilla", 1000),
    ],
)
def test_half_of_it_more_in_whatever_tongue(line: str, ml: int) -> None:
    recipe = read(
        f"Pudding\n6 servings\n{line}\n150 g pudding rice\nBoil the milk, add the rice, simmer 45 minutes, stirring.\n"
    )
    assert water(recipe) == ml
