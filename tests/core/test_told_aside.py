"""What a recipe tells of another stove, another pot, an unsoaked grain or another thing in the pot: none of it is this pot's."""

import pytest

from mealshift import pipeline
from mealshift.reading import read
from mealshift.reading.ways import of_other_ways
from mealshift.shifting import Choice
from mealshift.writing.text import recipe_alone

POT = (
    "Chicken pot\nServes 4\n1 1/2 cups long-grain rice\n3 cups stock\n500 g chicken\n1 cup peas\n1 onion\n\n"
    "Fry the onion 5 minutes. Brown the chicken 6 minutes. Stir in the rice, pour in the stock and bring to a boil. "
    "Cover and simmer on low for 18 minutes{behind}.{then} Take off the heat and rest 10 minutes.{end}\n"
)


def _pot(said: str) -> str:
    if said[0] in "(,":
        return POT.format(behind=("" if said[0] == "," else " ") + said, then="", end="")
    return POT.format(behind="", then="", end=f" {said[1:]}") if said[0] == "|" else POT.format(behind="", then=f" {said}", end="")  # fmt: skip


def _minutes(text: str) -> tuple[float, float, str]:
    j = pipeline.read_report(read(text))
    kinds: dict[str, float] = {}
    for m in j["minutes"]:
        kinds[m["kind"]] = kinds.get(m["kind"], 0.0) + m["high_min"]
    return kinds.get("heat", 0.0), kinds.get("rest", 0.0) + kinds.get("release", 0.0), j["method"]


@pytest.mark.parametrize(
    "said",
    [
        "On electric, switch the ring off after 10 minutes and leave it 10 more.",
        "In an electric pressure cooker: high 6 minutes, natural release 10 minutes.",
        "In the pressure cooker it takes just 6 minutes. Let the pressure drop for 10 minutes.",
        "In the oven it takes 30 minutes at 180C.",
        "On a camping stove it takes 25 minutes.",
        "If your lid is loose add 2 minutes.",
        "If your stove runs hot, 15 minutes may do.",
        "If you have no time to soak the rice, add 3 minutes.",
        "Unsoaked it takes 25 minutes.",
        "Older rice may take 22 minutes.",
        "(or 20 if your burner does not go very low)",
        "(soaked overnight it needs only 12)",
        "(In a hurry? A pouch of microwave rice takes 90 seconds.)",
        "(In a slow cooker: everything but the chicken, low 7 hours.)",
        ", or 25 minutes on a camping stove",
        ", or bake at 160C for 1 hour",
        "If cooking in a kadai use 4 cups water, cover, 12 mins on low.",
        ", or 6 minutes in a pressure cooker",
        "|If you use a rice cooker, press start; it takes about 35 minutes.",
        "|Rice cooker: 35 minutes. Pressure cooker version: 6 minutes, use 2 cups stock.",
        "|Using a gas oven? Bake it covered 35 minutes at mark 4 instead.",
    ],
)
def test_another_stove_or_soak_is_no_part_of_this_pot(said: str) -> None:
    assert _minutes(_pot(said)) == (18, 10, "covered")
    # with and without it the pot is the same, what the evening's plan is made of, and the shifted recipe
    deeds, plain_deeds = (
        [(o.kind, o.phase, o.typical_min) for o in read(t).process.operations]
        for t in (_pot(said), POT.format(behind="", then="", end=""))
    )
    assert deeds == plain_deeds
    made, plain = (
        pipeline.whole_way(t, Choice("barley-pearl")) for t in (_pot(said), POT.format(behind="", then="", end=""))
    )
    told, was = ([ln[3:] for ln in recipe_alone(w).split("\n")] for w in (made, plain))
    assert told == was
    # which is said, and what was left out is shown
    assert [p["code"] for p in made["problems"] if p["code"] == "left_out"] == ["left_out"]
    assert pipeline.read_report(read(_pot(said)))["liquid_water_ml"] == pytest.approx(697, abs=3)


@pytest.mark.parametrize(
    ("said", "stays"),
    [
        ("If your chicken is frozen give it 5 minutes more.", True),
        ("Bone-in pieces need 10 minutes longer.", True),
        ("(if frozen, add 5 minutes)", True),
        ("For bigger pieces add 10 minutes.", True),
        ("Allow an extra 10 minutes for large pieces.", True),
        ("If you use tofu, skip the browning and fry it 4 minutes instead.", True),
        ("The chicken needs 20 minutes.", True),
        # how long they take in all was true of the rice's eighteen
        ("If you're using boneless thighs, 12 minutes is enough.", False),
        ("(25 minutes for bone-in pieces)", False),
        ("(a cast-iron pot may want 20)", False),
        ("With turkey it takes 25 minutes.", False),
    ],
)
def test_minutes_of_another_thing_are_not_the_grains(said: str, stays: bool) -> None:
    assert _minutes(_pot(said))[:2] == (18, 10)
    told = recipe_alone(pipeline.whole_way(_pot(said), Choice("barley-pearl")))
    assert (said in told) == stays


@pytest.mark.parametrize("said", ["(25 minutes for bone-in pieces)", "Bone-in pieces need 25 minutes."])
def test_what_needs_longer_than_a_quicker_grain_is_never_left_out(said: str) -> None:
    """Quinoa is done in fifteen minutes: whoever has the bird on the bone must still read its twenty-five."""
    assert said in recipe_alone(pipeline.whole_way(_pot(said), Choice("quinoa")))
    assert said not in recipe_alone(pipeline.whole_way(_pot(said), Choice("barley-pearl")))


@pytest.mark.parametrize(
    ("steps", "heat"),
    [
        ("Simmer rice and stock 10 minutes. Add the peas, if using, and cook 5 minutes more.", 15),
        ("Bake rice and stock 20 minutes. Cover with foil, if you have it, and bake 15 minutes more.", 35),
        ("Boil rice and stock 5 minutes. In the oven, covered, it takes another 25 minutes.", 30),
        ("Microwave rice and stock on high 8 minutes. Stir. Microwave 10 minutes. Stand 5 minutes.", 18),
        ("Simmer rice and stock until soft or bake 40 minutes. Rest 5 minutes.", 40),
        ("Simmer rice and stock 5 minutes. If your pan is ovenproof, put it in the oven and bake 20 minutes.", 25),
        ("Simmer rice and stock 5 minutes, then cover and cook (for about 15 minutes).", 20),
        ("Boil rice and stock 5 minutes. With occasional stirring it takes 15 minutes more.", 20),
        ("Simmer rice and stock 10 minutes, then 10 minutes more for the rice to absorb it.", 20),
        ("Simmer rice and stock 10 minutes. Cook 5 minutes longer on a gentle flame.", 15),
        ("Boil rice and stock 5 minutes. On a gas stove, turn to the lowest flame and cook 12 minutes.", 17),
        ("Microwave rice and stock on high 8 minutes. Microwave rice on medium 10 minutes.", 18),
        ("Boil rice and stock. On gas, turn it as low as it goes and cook 15 minutes.", 15),
        ("If using a rice cooker, press start. If cooking rice and stock on the stove, simmer covered 18 minutes.", 18),
        ("Cook rice and stock, covered, 12 minutes. Using a fork, make holes in it and cook 5 minutes more.", 17),
        ("Rinse the rice. Simmer the chicken in water 30 minutes. In a rice cooker cook the rice and stock 25 minutes.", 25),
        ("Cook rice and stock covered 10 minutes. Add the peas; they need 5 minutes.", 15),
        ("Cook rice and stock covered 10 minutes. The rice needs another 8 minutes on low.", 18),
    ],
)  # fmt: skip
def test_the_recipes_own_way_stays_its_own(steps: str, heat: float) -> None:
    assert _minutes(f"Pot\nServes 4\n300 g rice\n600 ml stock\n1 cup peas\n500 g chicken\n\n{steps}\n")[0] == heat


@pytest.mark.parametrize(
    "said",
    [
        "In the microwave, melt the butter 1 minute.",
        "In a pan: heat oil, fry the cumin 2 minutes.",
        "If the beans were not soaked, boil them 30 minutes.",
        "If you use the oven, crisp the skin 10 minutes.",
        "In the fridge it keeps 3 days.",
    ],
)
def test_another_things_work_is_no_other_way(said: str) -> None:
    assert of_other_ways(said) == ()


def test_a_cooker_that_minds_itself_comes_first_and_the_stove_after_it() -> None:
    text = (
        "Cooker rice\n2 rice-cooker cups jasmine rice\n500 ml water\n\nPut everything in the rice cooker and press start. When it clicks "
        "leave it 10 minutes. On the stove: bring to a simmer, cover, lowest heat for 15 minutes, then 10 minutes off.\n"
    )
    assert _minutes(text) == (0, 10, "rice-cooker")
