"""A recipe taken to another way of cooking: stages, cautions and what the steps then say."""

from __future__ import annotations

import re

import pytest

from mealshift import pipeline
from mealshift.grains import all_grains, grain
from mealshift.manner import Manner
from mealshift.pot import Kitchen, default_way, solve
from mealshift.pot.stages import stages
from mealshift.reading import read
from mealshift.shifting import Choice, shift
from mealshift.shifting.beside import early

from .kitchen import demo, ingredients, pot, report, steps

KIDNEY = """Bean pot
Serves 4

Ingredients
200 g long-grain rice
100 g dry kidney beans
700 ml water
2 cloves

Method
1. Rinse the rice and put it in a pot with the beans, cloves and water.
2. Cover and simmer for 18 minutes. Rest 10 minutes.
"""


def codes(data: dict, part: str) -> set[str]:
    return {x["code"] for x in data[part]}


@pytest.mark.parametrize(
    ("method", "extra", "says"),
    [
        ("microwave", {}, ["tall vessel", "minutes at 800 W", "stir and look"]),
        ("rice-cooker", {}, ["dry and clicks", "keep-warm goes on drying"]),
        ("electric-pressure", {}, ["comes up to pressure", "fall by itself"]),
        ("electric-pressure", {"release": "quick"}, ["hands away from the valve"]),
        ("pressure", {"whistles": 6}, ["about 6 whistles"]),
        ("pressure", {"release": "quick"}, ["let the pressure out"]),
        ("off-heat", {}, ["there it finishes"]),
        ("drain", {}, ["plenty of water", "steam dry"]),
        ("cook-ahead", {}, ["spread out, 33 minutes to cool", "a splash and a little steam"]),
        ("oven", {}, ["in the oven, covered"]),
        ("oven", {"lid": "open"}, ["in the oven, uncovered"]),
        ("open", {}, ["lowest heat, no lid"]),
    ],
)
def test_every_way_is_told_in_stages_that_add_up(method, extra, says) -> None:
    p = pot("rice-brown-long", method=method, **extra)
    told = stages(p)
    text = "; ".join(w for w, _ in told)
    assert all(s in text for s in says), text
    assert sum(n for _, n in told) == p.total_min


def test_the_stages_of_all_grains_add_up() -> None:
    for g in all_grains():
        for method in g.methods:
            soak = 480.0 if method == "steam" and g.soak else 0.0
            p = solve(g, 240.0, default_way(g, method, soak_min=soak), Kitchen())
            assert sum(n for _, n in stages(p)) == p.total_min, (g.slug, method)


def test_another_way_stands_in_the_place_of_the_recipes_own() -> None:
    data = report(demo("01"), "rice-brown-long", method="electric-pressure")
    told = " ".join(steps(data))
    assert "holds at high pressure (20 min)" in told and "pressure" in codes(data, "cautions")
    assert "simmer on the lowest heat" not in told and "Stand" not in told and "Fork through the parsley" in told
    lid = report(demo("01"), "quinoa", lid="sealed")
    assert any("cloth under the lid, its ends kept clear of the flame" in s for s in steps(lid)) and "cloth" in codes(
        lid, "cautions"
    )


def test_a_grain_that_only_steeps_says_so_at_the_step() -> None:
    data = report(demo("01"), "couscous")
    assert data["pots"][0]["method"] == "steep" and {"method_nearest"} <= codes(data, "problems")
    assert any("Bring it to the boil, take it off the heat, cover and let it steep for" in s for s in steps(data))
    # the recipe's own words have stirred it in
    assert sum("tir in the couscous" in s for s in steps(data)) == 1
    assert not any("Rinse" in s for s in steps(data)) and ingredients(data)[0].endswith("couscous")


def test_a_sprouted_grain_starts_two_days_ahead() -> None:
    data = report(demo("10"), "rice-brown-long", sprouted=True)
    assert any("until a small white tip shows" in s for s in steps(data)) and "sprouts" in codes(data, "cautions")


def test_a_texture_the_grain_does_not_reach_is_named_and_the_nearest_taken() -> None:
    data = report(demo("01"), "amaranth")
    assert "texture_nearest" in codes(data, "problems") and data["pots"][0]["texture"] == "moist"


def test_dry_kidney_beans_and_whole_spices_are_cautioned() -> None:
    data = report(KIDNEY, "quinoa")
    assert {"kidney_beans", "count_out", "steam", "cooling"} <= codes(data, "cautions")
    tinned = report(KIDNEY.replace("100 g dry kidney beans", "1 tin (400 g) kidney beans, drained"), "quinoa")
    assert "kidney_beans" not in codes(tinned, "cautions")
    assert "microwave" in codes(report(KIDNEY, "quinoa", method="microwave"), "cautions")


def test_a_dry_roast_moves_the_rinse_before_it() -> None:
    data = report(demo("08"), "little-millet")
    kinds = [s["kind"] for s in data["steps"]]
    assert kinds[:2] == ["rinse", "roast"]
    assert steps(data)[2].startswith("Put the millet in a pan with the water")


def test_addition_that_needs_longer_than_the_grain_goes_in_at_once() -> None:
    late = KIDNEY.replace(
        "Cover and simmer for 18 minutes.", "Cover and simmer for 18 minutes. At minute 2 add the carrots."
    )
    data = report(late, "fonio")
    assert "addition" in codes(data, "check")
    end = KIDNEY.replace(
        "Cover and simmer for 18 minutes.", "Cover and simmer for 18 minutes. Add the carrots for the last 12 minutes."
    )
    assert any("head start" in c["text"] for c in report(end, "fonio")["check"])


def test_what_if_as_plain_data() -> None:
    from .kitchen import shifted

    data = pipeline.what_if(shifted(demo("01"), "quinoa"), 200.0, None, None)
    assert data["plan"]["verdict"]["code"] == "right" and data["changed"]["verdict"]["code"] != "right"
    assert data["plan"]["curve"][0]["minute"] == 0 and len(data["plan"]["curve"]) <= 92
    assert data["pour_said"] == {"amount": 200, "unit": "ml"}
    cups = Kitchen(cup_ml=240.0, manner=Manner("cups"))
    assert pipeline.what_if(shifted(demo("01"), "quinoa", kitchen=cups), 540.0, None, None)["pour_said"] == {
        "amount": 2.25,
        "unit": "cup",
    }


SHARED_POT = """A pot with {thing}
Serves 4
{line}
1 1/2 cups brown rice
3 cups stock
1. Put the {thing} and the rice in a pot and pour over the stock.
2. Bring to the boil, cover and simmer 38 minutes. Take off the heat and rest, covered, 10 minutes.
"""


@pytest.mark.parametrize(
    "line, thing, to, minutes",
    [
        ("4 chicken thighs", "chicken thighs", "quinoa", 10),
        ("4 chicken thighs", "chicken thighs", "couscous", 25),
        ("500 g beef, cubed", "beef", "quinoa", 23),
        ("300 g potatoes, cubed", "potatoes", "fonio", 11),
        ("300 g potatoes, cubed", "potatoes", "quinoa", None),
        ("300 g cooked chicken, shredded", "chicken", "fonio", None),
        ("4 chicken thighs", "chicken thighs", "rice-red", None),
    ],
)
def test_what_needs_the_pot_longer_than_the_new_grain_goes_in_before_it(line, thing, to, minutes) -> None:
    """At least its own minutes from raw, or what the recipe gave it; and what boils off meanwhile is in the pour."""
    made = shift(read(SHARED_POT.format(line=line, thing=thing)), Choice(to))
    said = [s.text for s in made.method.steps if "in the liquid" in s.text]
    rows = [r for r in made.pot.rows if r.term == "head_start"]
    if minutes is None:
        assert not said and not rows
        return
    assert any(f"Give the {thing} {minutes} minutes in the liquid" in s for s in said), said
    assert rows and rows[0].amount > minutes
    raw = [c for c in made.check if c.code == "raw_beside"]
    assert bool(raw) == (thing != "potatoes") and all("74 °C" in c.text for c in raw)


def test_a_grain_that_stands_before_its_liquid_waits_for_what_is_slower() -> None:
    text = SHARED_POT.format(line="4 chicken thighs", thing="chicken thighs").replace(
        "Put the chicken thighs and the rice in a pot and pour over the stock.",
        "Stir the rice into the oil for 2 minutes. Lay the chicken thighs on it and pour over the stock.",
    )
    steps = [s.text for s in shift(read(text), Choice("quinoa")).method.steps if s.text]
    told = " ".join(steps)
    assert "minutes in the liquid, then stir in the quinoa." in told, steps
    assert "Stir the quinoa into" not in told


def test_a_grain_that_steeps_takes_neither_the_recipes_hour_nor_its_rest() -> None:
    text = demo("08")
    for to in ("couscous", "bulgur-fine"):
        made = shift(read(text), Choice(to, method="steep"))
        assert made.pot.cook_typical <= (grain(to).steep_min or 0) and made.pot.rest_min == 0


APART = """A pot with chicken
Serves 4
4 chicken thighs
1 1/2 cups brown rice
3 cups stock
1. {first}
2. {then} Put the rice and the stock in a pot, bring to the boil, cover and simmer {cook}. Take off the heat and rest, covered, 10 minutes.
"""


@pytest.mark.parametrize(
    "first, then, cook, minutes",
    [
        ("Warm the stock.", "Put the chicken thighs in a pot.", "38 minutes", 20),
        ("Brown the chicken thighs for 8 minutes, and set them aside on a plate.", "", "38 minutes", None),
        (
            "Boil the chicken thighs in the stock for 1 hour until tender.",
            "Put the chicken thighs in a pot.",
            "38 minutes",
            None,
        ),
        ("Warm the stock.", "", "38 minutes. The chicken thighs go in for the last 25 minutes", None),
        ("Roast the chicken thighs in the oven for 40 minutes.", "", "38 minutes", None),
        # told in one breath with the grain's own minutes
        ("Warm the stock.", "", "with the chicken thighs for 38 minutes", 20),
        # another thing's hours make it no softer
        ("Simmer the bones for 2 hours until tender.", "Put the chicken thighs in a pot.", "38 minutes", 20),
        ("Warm the stock.", "", "20 minutes, the chicken thighs for the last 10 of them, then 18 minutes more", None),
        # what is laid on it later is cooked on when the grain is done
        ("Warm the stock.", "", "20 minutes. Add the chicken thighs and simmer 18 minutes more", None),
    ],
)
def test_only_what_shares_the_pot_raw_and_from_then_on_has_a_head_start(first, then, cook, minutes) -> None:
    recipe = read(APART.format(first=first, then=then, cook=cook))
    found = early(recipe, 5.0)
    assert [e.minutes for e in found] == ([] if minutes is None else [minutes]), [
        (e.line.name, e.minutes) for e in found
    ]


HEADED = "Two dishes\nServes 4\n\nFor the rice:\n1 1/2 cups brown rice\n3 cups stock\n\n{head}\n4 chicken thighs\n\n{steps}\n"
IN_THE_POT = (
    "Put the rice and the stock in the pot, bring to the boil, cover and simmer 38 minutes. Take off the heat and rest."
)


@pytest.mark.parametrize(
    ("head", "steps", "minutes"),
    [
        # a list and steps of its own are another dish's pot
        (
            "For the chicken:",
            f"For the chicken:\n1. Put the chicken thighs in the pot.\n\nFor the rice:\n2. {IN_THE_POT}",
            [],
        ),
        ("", f"1. Put the chicken thighs in the pot. {IN_THE_POT}", [20]),
    ],
)
def test_what_stands_under_another_head_has_no_start_in_this_pot(head: str, steps: str, minutes: list[int]) -> None:
    recipe = read(HEADED.format(head=head, steps=steps))
    assert [e.minutes for e in early(recipe, 5.0)] == minutes


def test_what_only_the_steps_name_shares_the_pot_all_the_same() -> None:
    text = "Rice and chicken for four\n\nPut 4 chicken thighs, 1 1/2 cups brown rice and 3 cups stock in a pot, bring to the boil, cover and simmer 38 minutes. Rest 10 minutes."
    assert [(e.name, e.minutes) for e in early(read(text), 5.0)] == [("chicken thighs", 20)]


BAKED = """Peppers and chicken, baked
Serves 4

6 chicken thighs, bone in
300 g long-grain rice
600 ml stock
1 onion

1. Heat the oven to 180 C. Put the onion, rice and stock in a dish, lay the chicken thighs on the rice, cover with foil and bake for {minutes} minutes.
2. Rest 5 minutes.
"""


@pytest.mark.parametrize(
    ("minutes", "to", "looked_at"), [(45, "couscous", True), (45, "barley-pearl", False), (20, "couscous", True)]
)
def test_chicken_baked_raw_on_a_quicker_grain_is_looked_at_for_itself(minutes: int, to: str, looked_at: bool) -> None:
    made = shift(read(BAKED.format(minutes=minutes)), Choice(to))
    text = " ".join(s.text for s in made.method.steps)
    assert ("the chicken thighs went in raw; bake on" in text) == looked_at
    assert any("74 °C" in p.text for p in made.method.check) == looked_at
    # it stays where the recipe lays it, and so does the grain
    assert "lay the chicken thighs on the" in text and "not yet)" not in text and "in the liquid" not in text


# sentences that are cut through when the cooking is taken out of them
MESSY = [
    "Combine the rice, water and oil. Bring to a boil; cover tightly, reduce heat to low, cook until all is absorbed (about 18 min; do not lift the lid). Remove from heat, rest covered 10 minutes, fluff.",
    "Stir the rice in the oil. Water in. Boil uncovered until the liquid is at the level of the rice, 8 min or so. Stir ONCE, cover tight, low, 12 min. peas on top for last 5. Off heat 10 min. Parsley on top.",
    "Add the rice and toast for 2 minutes. Pour in the water. After 10 minutes add the peas. Carry on for another 7 or 8 minutes. Off the heat beat in 15 g butter and the cheese; cover and rest for 2 minutes.",
    "Turn pot to SAUTE. Fry the onion in the oil 2 minutes. Press CANCEL. Add rice and water. Lock lid; MANUAL/HIGH 6 minutes. NPR 10 minutes, then release the rest. Stir in the peas.",
    "Preheat oven to 180 C. Stir the rice and boiling water together in a dish. Cover tightly with foil. Bake 30 minutes. Uncover and bake 10 minutes longer, until the top is browned and everything is hot. Let stand 10 minutes.",
    "Put rice and boiling water in a bowl, cover loosely. Cook on HIGH for 6 mins (800W), then on MEDIUM for 6 mins in the microwave. Leave to stand, still covered, for 5 mins. Fluff.",
    "Heat the oil. Add rice; cook, stirring, until lightly golden, 5 minutes. Add the onion; cook 3 minutes. Add water and salt; bring to boil. Reduce heat to low, cover, cook 18 minutes (rice will be tender). Remove from heat and let sit, covered, 5 minutes.",
    "Scatter the rice in the pan, pour over the water. Bring to the boil, then cover and simmer 12 mins. Scatter peas on top (don't stir!), put the lid back on and cook for another 3 mins. Turn off the heat, leave covered for 10 mins, then fork through.",
]


def hangs(text: str) -> bool:
    """Does a text end in the middle, or begin there?"""
    crumb = any(not re.search(r"[^\W\d_]{3}", x) for x in re.split(r"(?<=[.!?;])\s+", text) if x.strip())
    return (
        text.count("(") != text.count(")")
        or bool(re.search(r"\b(?:until|till|or|and|then)\s*[.;]|\s[,.;]|;\s+[A-Z]|[.;][.;]", text))
        or bool(re.match(r"(?:until|till|or|and)\b", text, re.I))
        or crumb
    )


@pytest.mark.parametrize("n", range(len(MESSY)))
@pytest.mark.parametrize("to", ["quinoa", "barley-pearl"])
def test_another_way_leaves_no_crumbs_of_the_old_one(n: int, to: str) -> None:
    text = f"Saffron pan with peas\nServes 4\n\nIngredients\n200 g basmati rice\n400 ml water\n2 tbsp oil\n15 g butter\n1 onion\n100 g peas\n1 tsp salt\n\nMethod\n{MESSY[n]}"
    recipe = read(text)
    for method in grain(to).methods:
        made = shift(recipe, Choice(to, method=method))
        told = [s.text for s in made.method.steps if s.text]
        assert not [t for t in told if hangs(t) and not hangs(MESSY[n])], (method, told)
        said = " ".join(told).lower()
        # nothing that goes in is lost with the cooking
        for thing in ("peas", "butter", "onion"):
            assert (thing in said) == (thing in MESSY[n]), (method, thing, said)
        if method in ("pressure", "electric-pressure", "rice-cooker", "steam"):
            assert not re.search(r"manual/high [67]|preheat|oven to", said), said
