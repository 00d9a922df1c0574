"""The same pot in the many ways cooks write it: every way of an amount, of a pouring and of the cooking must be read as what it says, and rewritten as what is meant.

The ways go round beside each other (the tenth grain with the tenth water and the tenth cooking), so that each stands in other company than in the next run of the list.
"""

from __future__ import annotations

import pytest

from mealshift.reading import read
from mealshift.recipe import Recipe
from mealshift.shifting import Choice, laws, shift

CUP = 237.0
# (line, ml or None, g or None)
GRAINS: list[tuple[str, float | None, float | None]] = [
    ("200 g basmati rice", None, 200), ("200g/7oz basmati rice", None, 200), ("7 oz (200 g) basmati rice", None, 198), ("1 cup basmati rice", CUP, None), ("1 cup (200g) basmati rice", None, 200),
    ("1 cup basmati rice (200g)", None, 200), ("1 cup | 200g basmati rice", None, 200), ("1 cup - 200g basmati rice", None, 200), ("1 cup/ 200 grams basmati rice", None, 200), ("basmati rice 200g", None, 200),
    ("Basmati rice: 200 g", None, 200), ("Basmati rice – 1 cup", CUP, None), ("Basmati rice (1 cup)", CUP, None), ("Basmati rice, 1½ cups", 1.5 * CUP, None), ("1 1/2 c. basmati rice", 1.5 * CUP, None),
    ("1-1/2 cups basmati rice", 1.5 * CUP, None), ("1½ US cups basmati rice", 1.5 * CUP, None), ("a cup and a half of basmati rice", 1.5 * CUP, None), ("one and a half cups basmati rice", 1.5 * CUP, None),
    ("1 to 1½ cups basmati rice", 1.25 * CUP, None), ("¾ cup plus 2 tbsp basmati rice", 0.75 * CUP + 30, None), ("1 heaped cup basmati rice", CUP, None), ("scant 1 cup basmati rice", CUP, None), ("1 lb basmati rice", None, 454),
    ("1/2 lb. basmati rice", None, 227), ("half a pound of basmati rice", None, 227), ("0,5 kg basmati rice", None, 500), ("2 x 250 g basmati rice", None, 500), ("1 (8-ounce) bag basmati rice", None, 227),
    ("1 8-oz package basmati rice", None, 227), ("250 gr. basmati rice", None, 250), ("2½ dl basmati rice", 250, None), ("30 cl basmati rice", 300, None), ("8 Tbsp basmati rice", 120, None), ("200 g (about 1 cup) basmati rice, rinsed", None, 200),
    ("1 cup (about 6½ oz) basmati rice", None, 184), ("300g/10½oz basmati rice, rinsed until the water runs clear", None, 300), ("1¾ cups (350g) uncooked basmati rice", None, 350), ("1 cup dry basmati rice (not instant)", CUP, None),
    ("1 glass basmati rice (250 ml)", 250, None), ("2 rice cooker cups (360 ml) basmati rice", 360, None), ("1 cup basmati rice, plus extra to serve", CUP, None), ("1 cup uncooked basmati rice (makes about 3 cups cooked)", CUP, None),
    ("1 cup basmati rice (yields 3 cups)", CUP, None), ("1 cup basmati rice (makes 3 cups cooked)", CUP, None), ("2 cups (14 ounces) basmati rice", None, 397), ("1 x 250g packet basmati rice", None, 250), ("2 cups basmati rice (soaked in 4 cups water)", 2 * CUP, None),
    ("1½ cup(s) basmati rice", 1.5 * CUP, None), ("1 & 1/2 cups basmati rice", 1.5 * CUP, None), ("12 oz. basmati rice (1 3/4 c.)", None, 340), ("1 cup [185 g] basmati rice", None, 185), ("1½ cups (300 g / 10½ oz) basmati rice", None, 300),
]  # fmt: skip
# (line, water in ml)
WATERS: list[tuple[str, float]] = [
    ("800 ml water", 800), ("800ml/28fl oz water", 800), ("3¼ cups water", 3.25 * CUP), ("3 1/4 cups (780 ml) water", 780), ("780 ml (3 1/4 cups) water", 780), ("water, 3¼ cups", 3.25 * CUP), ("Water – 3 cups", 3 * CUP), ("3 cups boiling water", 3 * CUP),
    ("3 cups low-sodium chicken broth", 3 * CUP * 0.98), ("3 cups water, plus more as needed", 3 * CUP), ("3 cups plus 2 tablespoons water", 3 * CUP + 30), ("1 quart water", 946), ("0.8 l water", 800), ("8 dl water", 800),
    ("3 cups chicken stock (I use 1 cube in 3 cups water)", 3 * CUP * 0.98), ("750ml hot vegetable stock (made with 1 cube)", 735), ("3 cups water (divided)", 3 * CUP), ("28 fl oz water", 828), ("3 mugs of water", 720), ("3 cups (710 ml / 24 fl oz) stock", 710 * 0.98),
]  # fmt: skip
# (steps, minutes at the heat, minutes closed and off the heat, way)
COOKINGS: list[tuple[str, float | None, float, str]] = [
    ("Bring to a boil, cover, reduce heat to low and simmer for 18 minutes. Remove from heat and let it sit covered for 10 minutes. Fluff with a fork.", 18, 10, "covered"),
    ("Bring to the boil, then turn right down, pop a lid on and cook for 12 minutes. Turn off the heat and leave for 10 minutes without lifting the lid.", 12, 10, "covered"),
    ("Boil, cover, and cook on low 20 min. Off heat, rest 5 min.", 20, 5, "covered"),
    ("Once boiling, reduce to a simmer. Cover and cook for 15-17 minutes, until the water is absorbed. Let stand 5 minutes.", 16, 5, "covered"),
    ("Bring everything to a boil over high heat. Stir once, cover tightly and reduce the heat to the lowest setting. Cook for 15 minutes. Without uncovering, remove from the heat and leave to steam for another 10 minutes.", 15, 10, "covered"),
    ("Put the rice, liquid and salt in the rice cooker and press start. When it switches off, leave on keep warm for 10 minutes.", None, 10, "rice-cooker"),
    ("Pressure cook for 2 whistles on medium heat. Let the pressure release naturally. Open and fluff.", None, 0, "pressure"),
    ("Place in a baking dish with the boiling liquid, cover tightly with foil and bake at 180C for 25 minutes. Leave to stand, covered, for 5 minutes.", 25, 5, "oven"),
    ("Combine in a microwave-safe bowl. Microwave on high uncovered for 10 minutes, then cover and microwave 5 minutes more. Let stand 5 minutes.", 15, 5, "microwave"),
    ("Heat the oil and fry the onion for 5 minutes. Add the rice and stir for 2 minutes. Pour in the liquid, bring to a boil, cover, and simmer 15 minutes. Remove from heat. Let stand 10 minutes.", 15, 10, "covered"),
    ("Bring to a boil and simmer on low heat for 15 minutes with the lid on. Rest, still covered, for 10 minutes. While it rests, toast the almonds for 3 minutes.", 15, 10, "covered"),
    ("Bring to a boil; reduce heat, cover, and simmer until rice is tender and liquid is absorbed, 15 to 20 minutes. Remove from heat, let stand 5 minutes, then fluff.", 17.5, 5, "covered"),
    ("Cook over a low heat, covered, for 12 minutes. Remove from the heat, uncover, put a clean tea towel over the pan, replace the lid and leave for 5 minutes.", 12, 5, "covered"),
]  # fmt: skip


def recipe(n: int) -> str:
    lines = [GRAINS[n][0], WATERS[n % len(WATERS)][0], "1 onion, chopped", "1 tbsp oil", "1 tsp salt"]
    return "\n".join(
        ["Saffron pan", "Serves 4", "", "Ingredients", *lines, "", "Method", COOKINGS[n % len(COOKINGS)][0]]
    )


def near(got: float | None, want: float, share: float = 0.03) -> bool:
    return got is not None and abs(got - want) <= share * want


def doubted(found: Recipe, field: str) -> bool:
    return any(d.field == field for d in found.doubts)


@pytest.mark.parametrize("n", range(len(GRAINS)), ids=lambda n: GRAINS[n][0])
def test_it_is_read_as_it_is_said(n: int) -> None:
    found = read(recipe(n))
    (_, ml, g), (_, water), (_, heat, rest, way) = GRAINS[n], WATERS[n % len(WATERS)], COOKINGS[n % len(COOKINGS)]
    line = found.source_line
    assert line is not None
    assert line.grain == "basmati"
    assert near(line.g, g) if g is not None else near(line.ml, ml or 0.0)
    assert near(found.liquid_water_ml, water), [(ln.text, ln.ml, ln.role) for ln in found.lines]
    # in this company a stretch may be in doubt: then it is asked, and not taken for another without a word
    if heat is not None:
        assert abs((found.simmer_min or 0.0) - heat) <= 1 or doubted(found, "simmer")
    assert abs((found.rest_min or 0.0) - rest) <= 1 or doubted(found, "rest")
    assert found.method == way or doubted(found, "method")


@pytest.mark.parametrize("slug", ["quinoa", "barley-pearl"])
def test_it_is_said_again_as_it_is_meant(slug: str) -> None:
    """The new list, read anew, holds the pot's grain and its pour, whatever stood beside the first amount."""
    for n in range(len(GRAINS)):
        made = shift(read(recipe(n)), Choice(slug))
        assert not [b for b in laws.broken(made) if b.law in ("water", "ingredients")], GRAINS[n][0]
        by_role = {ln.role: ln.text for ln in made.lines}
        again = read(
            recipe(n)
            .replace(GRAINS[n][0], by_role["source_grain"])
            .replace(WATERS[n % len(WATERS)][0], by_role["pot_liquid"])
        )
        assert again.source_line is not None
        assert again.source_line.grain == slug, by_role["source_grain"]
        assert near(again.source_line.g, made.pot.dry_g, 0.12), by_role["source_grain"]
        poured = sum(ln.ml or 0.0 for ln in again.lines if ln.role == "pot_liquid")
        assert near(poured, made.pot.pour_ml, 0.09) or made.pot.pour_ml < 60, (by_role["pot_liquid"], made.pot.pour_ml)


def test_a_steps_name_is_no_work_of_its_own() -> None:
    steps = "Cook the onion: Heat the oil, add the onion and fry for 4 minutes.\nSimmer: Add rice and water, bring to a boil, cover and simmer 15 minutes.\nRest: Take off the heat and let stand 5 minutes."
    named = read("\n".join(["Saffron pan", "Serves 4", "1 onion", "200 g basmati rice", "400 ml water", "", steps]))
    bare = read(
        "\n".join(
            [
                "Saffron pan",
                "Serves 4",
                "1 onion",
                "200 g basmati rice",
                "400 ml water",
                "",
                *(s.split(": ", 1)[1] for s in steps.split("\n")),
            ]
        )
    )
    assert [o.kind for o in named.process.operations] == [o.kind for o in bare.process.operations]
