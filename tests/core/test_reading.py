"""Recipe texts in, readings out."""

from __future__ import annotations

import json

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mealshift import pipeline
from mealshift.measures import Measures
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.recipe import Correction

from .kitchen import DEMO_FILES, demo


def first_line(text: str, **measures: float):
    recipe = read(
        f"A dish\nServes 2\n\nIngredients\n{text}\n\nMethod\n1. Simmer the rice in the water for 10 minutes.",
        Measures(**measures),
    )
    return recipe.lines[0]


@pytest.mark.parametrize(
    ("line", "quantity", "unit", "ml", "g"),
    [
        ("200 g long-grain rice", 200, "g", 256, 200),
        ("1 1/2 cups basmati rice", 1.5, "cup", 355.5, 277),
        ("½ cup quinoa, rinsed", 0.5, "cup", 118.5, 85),
        ("1 cup rice (185 g)", 1, "cup", 237, 185),
        ("250g/9oz brown rice", 250, "g", 316, 250),
        ("2 to 3 cups rice", 2.5, "cup", 592.5, 462),
        ("- 8 oz jasmine rice", 8, "oz", 287, 227),
        ("basmati: 1 glass (rinse well)", 1, "measure", 240, 187),
        ("a cup of sushi rice", 1, "cup", 237, 199),
    ],
)
def test_grain_lines(line: str, quantity: float, unit: str, ml: float, g: float) -> None:
    read_line = first_line(line)
    assert (read_line.quantity, read_line.unit, read_line.role) == (quantity, unit, "source_grain")
    assert (read_line.ml, read_line.g) == (pytest.approx(ml, abs=1), pytest.approx(g, abs=1))


@pytest.mark.parametrize(
    ("line", "role", "water", "drinks"),
    [
        ("1 tin chopped tomatoes (400 g)", "pot_liquid", 223, 0),
        ("2 x 400 g tins chopped tomatoes", "pot_liquid", 446, 0),
        ("400 ml tin coconut milk", "pot_liquid", 288, 0),
        ("3 ripe tomatoes", "pot_liquid", 167, 0),
        ("750 ml vegetable stock", "pot_liquid", 735, 0),
        ("1 pint water", "pot_liquid", 568, 0),
        ("100 g red lentils", "absorber", 0, 200),
        ("1 tin (400 g) brown lentils, drained", "beside", 0, 0),
        ("50 g raisins", "absorber", 0, 25),
        ("100 g soaked split chickpeas", "absorber", 0, 80),
        ("2 tbsp olive oil", "fat", 0, 0),
        ("1 stock cube", "salt", 0, 0),
        ("200 g spinach", "watery", 0, 0),
        ("salt, pepper", "salt", 0, 0),
        ("1 onion, chopped", "beside", 0, 0),
    ],
)
def test_other_lines(line: str, role: str, water: float, drinks: float) -> None:
    found = read(
        f"A dish\n\nIngredients\n200 g rice\n{line}\n\nMethod\n1. Put everything in a pot, cover and simmer 16 minutes."
    ).lines[1]
    assert (found.role, found.water, found.drinks) == (role, pytest.approx(water, abs=1), pytest.approx(drinks, abs=1))


DISHES = {  # file: source, ml, method, texture, soak, simmer, rest, water, timed, after
    "01": ("rice-white-long", 385, "covered", "separate", 0, 16, 10, 517, ["chickpeas"], ["parsley"]),
    "02": ("rice-risotto", 357, "open", "moist", 0, 18, 2, 1067, [], ["hard cheese"]),
    "03": ("jasmine", 240, "covered", "thin", 0, 35, 5, 1646, [], ["spring onions"]),
    "04": ("rice-pudding", 143, "oven", "soft", 0, 90, 10, 870, [], []),
    "05": ("basmati", 296, "covered", "fluffy", 30, 12, 10, 415, [], None),
    "06": ("rice-paella", 357, "open", "separate", 0, 18, 5, 784, ["frozen peas"], ["lemon"]),
    "07": ("basmati", 321, "covered", "fluffy", 0, 13, 10, 800, [], []),
    "08": ("rice-white-medium", 185, "covered", "separate", 0, 45, None, 372, None, []),
    "09": ("rice-white-long", 714, "covered", "separate", 0, None, None, 0, [], []),
    "10": ("rice-white-short", 474, "covered", "soft", 0, 20, 10, 1066, [], []),
}


@pytest.mark.parametrize("number", DISHES)
def test_the_demo_dishes(number: str) -> None:
    slug, ml, method, texture, soak, simmer, rest, water, timed, after = DISHES[number]
    data = pipeline.read_report(read(demo(number)))
    assert data["source_grain"]["slug"] == slug
    assert data["source_grain"]["ml"] == pytest.approx(ml, abs=1)
    assert (data["method"], data["texture"], data["soak_min"], data["simmer_min"], data["rest_min"]) == (
        method,
        texture,
        soak,
        simmer,
        rest,
    )
    assert data["liquid_water_ml"] == pytest.approx(water, abs=1)
    for role, names in (("timed", timed), ("after", after)):
        if names is not None:
            assert [ln["name"] for ln in data["lines"] if ln["role"] == role] == names
    assert data["source_grain"]["as"] == ("cooked" if number == "09" else "raw")


def test_every_span_points_at_what_it_says() -> None:
    for file in DEMO_FILES:
        recipe = read(file.read_text(encoding="utf-8"))
        for ln in recipe.lines:
            assert recipe.text[ln.span.start : ln.span.end] == ln.text
        for step in recipe.steps:
            assert recipe.text[step.span.start : step.span.end].replace("\n", " ") == step.text
            for d in step.durations:
                assert step.text[d.span.start : d.span.end] == d.text


def test_without_headings_and_with_wrapped_steps() -> None:
    recipe = read(
        "Plain pot\nserves 2\n150 g basmati rice\n300 ml water\n\n1. Boil the water, add the rice, cover\nand simmer for 12 minutes.\n2. Rest 5 minutes."
    )
    assert [ln.text for ln in recipe.lines] == ["150 g basmati rice", "300 ml water"]
    assert [s.text for s in recipe.steps] == [
        "Boil the water, add the rice, cover and simmer for 12 minutes.",
        "Rest 5 minutes.",
    ]
    assert (recipe.simmer_min, recipe.rest_min, recipe.servings) == (12, 5, 2)


def test_a_liquid_named_only_in_a_step_feeds_the_pot() -> None:
    recipe = read(
        "Pot\n\nIngredients\n200 g rice\n\nMethod\n1. Pour 400 ml boiling water over the rice, cover and simmer for 15 minutes."
    )
    assert recipe.liquid_water_ml == 400 and recipe.simmer_min == 15


def test_a_saved_page_and_json_ld_give_the_same_recipe() -> None:
    ld = demo("06")
    page = f"<!doctype html><html><head><title>x</title><script type='application/ld+json'>{ld}</script></head><body><p>Menu</p></body></html>"
    a, b = read(ld), read(page)
    assert a.title == b.title == "Saffron pan with peas"
    assert [ln.text for ln in a.lines] == [ln.text for ln in b.lines]
    assert [s.text for s in a.steps] == [s.text for s in b.steps]


def test_tags_that_a_saved_page_wrote_as_words_part_the_steps() -> None:
    method = "&lt;p&gt;Boil the stock.&lt;/p&gt;&lt;p class='s'&gt;Add the rice, cover, simmer 13 minutes (&lt; 15).&lt;/p&gt;"
    ld = {
        "@type": "Recipe",
        "name": "Pot",
        "recipeIngredient": ["200 g basmati rice", "350 ml stock"],
        "recipeInstructions": method,
    }
    assert [s.text for s in read(json.dumps(ld)).steps] == [
        "Boil the stock.",
        "Add the rice, cover, simmer 13 minutes (< 15).",
    ]


def test_a_page_with_microdata() -> None:
    page = """<html><body><div itemscope itemtype="https://schema.org/Recipe"><h1 itemprop="name">Micro pot</h1><span itemprop="recipeYield">4</span>
    <li itemprop="recipeIngredient">200 g basmati rice</li><li itemprop="recipeIngredient">350 ml water</li>
    <div itemprop="recipeInstructions">Cover and simmer for 13 minutes.</div></div></body></html>"""
    recipe = read(page)
    assert recipe.title == "Micro pot" and recipe.liquid_water_ml == 350
    assert recipe.source_line is not None and recipe.source_line.grain == "basmati"


def test_a_correction_is_anchored_to_its_line() -> None:
    text = demo("01")
    fixed = read(text, corrections=(Correction("300 ml vegetable stock", role="beside"),))
    assert next(ln for ln in fixed.lines if "stock" in ln.text).role == "beside"
    assert fixed.liquid_water_ml == pytest.approx(223, abs=1)
    moved = read(
        text.replace("Ingredients\n", "Ingredients\n2 carrots\n"),
        corrections=(Correction("300 ml vegetable stock", role="beside"),),
    )
    assert next(ln for ln in moved.lines if "stock" in ln.text).role == "beside"
    other = read(text, corrections=(Correction("300 g long-grain white rice, rinsed", grain="basmati"),))
    assert other.source_line is not None and other.source_line.grain == "basmati"


@pytest.mark.parametrize(
    ("line", "code"),
    [
        ("rice", "no_amount"),
        ("90 kg rice", "absurd_amount"),
        ("2 carrots", "no_grain"),
    ],
)
def test_what_is_wrong_with_the_grain_line_is_said_at_the_line(line: str, code: str) -> None:
    recipe = read(f"Dish\n\nIngredients\n{line}\n300 ml water\n\nMethod\n1. Cover and simmer 15 minutes.")
    stop = [p for p in recipe.problems if p.code == code]
    assert stop and stop[0].severity == "stop" and stop[0].where == ("" if code == "no_grain" else line)
    assert line in [ln.text for ln in recipe.lines]


def test_the_cooks_word_on_amounts_and_minutes_counts() -> None:
    text = demo("01")
    more = read(text, corrections=(Correction("300 ml vegetable stock", amount="500 ml"),))
    assert more.liquid_water_ml == pytest.approx(223 + 490, abs=1)
    step = more.steps[2].text
    moved = read(text, corrections=(Correction(step, minutes="10 minutes", kind="heat"),))
    assert (moved.simmer_min, moved.rest_min) == (26, None)
    with pytest.raises(Refusal):
        read(text, corrections=(Correction("300 ml vegetable stock", amount="some"),))


def test_a_part_of_the_recipe_is_split_off_and_joined_by_the_cooks_word() -> None:
    text = "Pot\n\nFor the rice\n200 g rice\n300 ml water\n\nFor the topping\n100 ml stock\n\nMethod\n1. Put the rice, water and stock in a pot, cover and simmer 16 minutes."
    assert read(text).liquid_water_ml == 300
    joined = read(text, corrections=(Correction("For the topping", role="pot_liquid"),))
    assert joined.liquid_water_ml == 398
    split = read(text.replace("topping", "stock part"), corrections=(Correction("For the stock part", role="beside"),))
    assert split.liquid_water_ml == 300 and split.lines[2].role == "beside"


def test_misspelt_grain_is_guessed_and_said() -> None:
    recipe = read("Dish\n\nIngredients\n200 g basmatti\n300 ml water\n\nMethod\n1. Cover and simmer 15 minutes.")
    assert recipe.source_line is not None and recipe.source_line.grain == "basmati"
    assert "guessed_grain" in [p.code for p in recipe.problems]


@pytest.mark.parametrize(
    ("brought", "code"),
    [
        ("", "empty"),
        ("  \n ", "empty"),
        ("\x00\x01PNG", "binary"),
        ("rice " * 1_000_000, "too_long"),
        ('{"a": 1}', "no_recipe"),
        ("<!doctype html><p>nothing here</p>", "no_recipe"),
        ("[" * 900, "no_grain"),
        ("[" * 5000, "too_long"),
    ],
)
def test_what_cannot_be_read(brought: str, code: str) -> None:
    try:
        assert code in [p.code for p in read(brought).problems]
    except Refusal as refused:
        assert refused.problem.code == code


def test_a_headings_mark_alone_is_no_title() -> None:
    recipe = read("# \n\n200 g rice\n400 ml water\n\nBoil the rice 15 minutes.")
    assert recipe.title == "Untitled recipe" and recipe.title_span is None


@settings(max_examples=150, deadline=None)
@given(
    st.sampled_from(DEMO_FILES),
    st.integers(0, 10_000),
    st.sampled_from(["", "½", "((", "\n\n", "1/0 cups", "-3 kg", "minutes", "for the", ":", "°", "9" * 40]),
    st.integers(0, 80),
)
def test_no_text_breaks_the_reader_and_no_line_is_lost(file, at: int, put: str, cut: int) -> None:
    text = file.read_text(encoding="utf-8")
    if file.suffix == ".json":
        text = read(text).text
    at %= len(text)
    mutated = text[:at] + put + text[at + cut :]
    recipe = read(mutated)
    data = pipeline.read_report(recipe)
    json.dumps(data)
    places = [tuple(x["span"]) for part in ("lines", "steps", "notes", "headings") for x in data[part]]
    if recipe.title_span:
        places.append((recipe.title_span.start, recipe.title_span.end))
    offset = 0
    for line in recipe.text.split("\n"):
        start, offset = offset, offset + len(line) + 1
        if any(c.isalnum() for c in line):
            assert any(a < start + len(line) and start < b for a, b in places), line


HOSTILE = {
    "a paste of 2,000 lines": "A dish\n\nIngredients\n200 g rice\n" + "1 tsp salt\n" * 2000,
    "one endless line": "rice " * 11_000,
    "digits without end": "9" * 50_000,
    "brackets": "(" * 40_000 + " rice",
    "a page of 3 MB": "<!doctype html><html><body>" + "<div class='x'>menu</div>" * 120_000 + "</body></html>",
    "scripts": '<!doctype html><script type=\'application/ld+json\'>{"@type":"Recipe","name":"<script>alert(1)</script>","recipeIngredient":["200 g rice"]}</script>',
    "deep json": "[" * 3000 + "]" * 3000,
    "a recipe within itself": '{"@type":"Recipe","name":"x","recipeIngredient":['
    + ",".join(['{"@type":"Recipe"}'] * 900)
    + '],"recipeInstructions":'
    + '{"itemListElement":[' * 60
    + "]}" * 60
    + "}",
}


@pytest.mark.parametrize("name", HOSTILE)
def test_hostile_input_ends_in_a_recipe_or_a_sentence(name: str) -> None:
    try:
        recipe = read(HOSTILE[name])
    except Refusal as refused:
        assert refused.problem.text.endswith(".")
    else:
        assert "<script" not in recipe.title


@pytest.mark.parametrize(
    ("steps", "heat", "rest"),
    [
        ("Sofreír el pollo en el aceite 20 min. Agua; hervir 25 min. Arroz en cruz, repartir. Fuego fuerte 8 min, bajo 10 min. Reposar 5 min.", 18, 5),
        ("Zwiebel in der Butter 3 Minuten andünsten. Reis zugeben, 2 Minuten mitdünsten. Brühe angießen, aufkochen, zugedeckt 15 Minuten köcheln. Erbsen dazu, weitere 5 Minuten. Vom Herd nehmen, 3 Minuten ziehen lassen.", 20, 3),
        ("Refogue o alho no óleo, junte o arroz lavado, mexa 3 minutos. Água fervente, sal. Tampe, fogo mínimo 12 minutos. Desligue e deixe 10 minutos tampado.", 12, 10),
        ("Sıcak suyu ve tuzu ekleyin. Pirinci ekleyin. Kaynayınca kısık ateşte 12 dakika pişirin. Ocağı kapatın, 15 dakika demlendirin.", 12, 15),
    ],
)  # fmt: skip
def test_what_cooks_do_in_other_tongues(steps: str, heat: float, rest: float) -> None:
    recipe = read(f"Arroz, riso, Reis\nServes 4\n\n400 g rice\n1.2 l water\n50 ml oil\n1 onion\n\n{steps}\n")
    asked = {d.field for d in recipe.doubts}
    # right, or asked: never wrong without a doubt
    assert recipe.simmer_min == heat or "simmer" in asked
    assert (recipe.rest_min or 0) == rest or "rest" in asked


def test_what_is_said_again_and_otherwise_is_asked() -> None:
    said = "Ana 17:41: 2 cups jasmine. wait theres 6 of u. 3 cups\nAna 17:42: rinse it. 4 cups water\nBo 17:42: lid\nAna 17:43: boil first then lid then lowest, 14 min\nAna 17:58: off. 10 min\n"
    doubts = [d for d in read(said).doubts if d.field == "amount"]
    assert [[c.label for c in d.choices] for d in doubts] == [["2 cups", "3 cups"]]
    once = "Ana 17:41: 3 cups jasmine, there are 6 of you\n" + said.split("\n", 1)[1]
    assert not [d for d in read(once).doubts if d.field == "amount"]


def test_a_dictated_text_is_shown_with_its_stops() -> None:
    spoken = (
        "lemon rice colon new line two cups basmati comma rinsed period new line three cups water period new line "
        "add rice and water comma bring to boil comma cover comma lowest heat twelve minutes period turn off and leave ten minutes period"
    )
    recipe = read(spoken)
    assert recipe.text.split("\n")[1:3] == ["two cups basmati, rinsed.", "three cups water."]
    assert (recipe.simmer_min, recipe.rest_min, recipe.liquid_water_ml) == (12, 10, pytest.approx(711, abs=1))
    few = "Rinse the rice in a colon cleanse period drama, comma"
    assert read(f"2 cups rice\n\n{few} and boil 12 minutes.\n").text.count("period drama") == 1


@pytest.mark.parametrize(
    ("title", "line", "want"),
    [("Baked rice pudding", "3 oz Carolina rice", "rice-pudding"), ("Savoury rice", "3 oz Carolina rice", "rice-white-long"), ("Rice pudding", "3 oz Carolina Gold rice", "rice-white-long")],
)  # fmt: skip
def test_carolina_rice_is_what_its_dish_says(title: str, line: str, want: str) -> None:
    mine = read(
        f"{title}\nServes 4\n\n{line}\n1½ pints milk\n1 oz sugar\n\n1. Put the rice and milk in a dish, bake 2 hours.\n"
    ).source_line
    assert mine is not None and mine.grain == want and mine.g == pytest.approx(85, abs=1)


@pytest.mark.parametrize(
    ("said", "vessel"),
    [("1 glass", "glass"), ("2 glasses", "glass"), ("2 tazas", "taza"), ("3 mugs", "mug"), ("1 glas", "glas"), ("2 cawan", "cawan"), ("1 coffee cup", "coffee cup")],
)  # fmt: skip
def test_a_vessel_nobody_knows_is_asked_for_by_its_own_name(said: str, vessel: str) -> None:
    doubts = read(
        f"A pot of it\nServes 4\n\n{said} basmati rice\n500 ml water\n\n1. Boil, cover, simmer 12 minutes.\n"
    ).doubts
    assert [d.text for d in doubts if d.field == "amount"] == [
        f"How much does the {vessel} hold? I reckon with your own measure."
    ]
