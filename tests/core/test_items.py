"""One line of a list: how many things it holds, how much of each, what they are called."""

from __future__ import annotations

import pytest

from mealshift.measures import Measures
from mealshift.text.amounts import items

# the line · is it known to hold several · (name, ml, g) of each
LINES = [
    ("2 1/2 cups stock (or water + 2 tsp bouillon)", False, [("stock", 593, None)]),
    ("2 1/2 mugs stock (or about 600 ml)", False, [("stock", 600, None)]),
    ("1 bicchiere di vino bianco, 1,2 l brodo", True, [("vino bianco", 240, None), ("brodo", 1200, None)]),
    # slashes between things, and between the ways to say one
    (
        "300 g short rice / 1,2 l stock, hot / salt",
        True,
        [("short rice", None, 300), ("stock", 1200, None), ("salt", None, None)],
    ),
    ("150 g / 5¼ oz / scant 1 cup wild rice", True, [("wild rice", 237, 150)]),
    # cells of a table, and what is said of one thing
    ("200 | g | brown rice | rinsed", False, [("brown rice", None, 200)]),
    ("4 | | spring onions | sliced", False, [("spring onions", None, None)]),
    ("1 | tin (400 g) | chickpeas | drained", False, [("chickpeas", None, 400)]),
    ("3 | tbsp | olive oil", False, [("olive oil", 45, None)]),
    ("Brown rice | 700 | g | washed", False, [("Brown rice", None, 700)]),
    ("Brown rice        3.5      kg", False, [("Brown rice", None, 3500)]),
    ("1.4     l       Vegetable stock", False, [("Vegetable stock", 1400, None)]),
    ("Onion, diced,200,g", False, [("Onion", None, 200)]),
    ("Brown rice,0.5,kg,washed", False, [("Brown rice", None, 500)]),
    ("Basmati, rinsed x3, soaked 20', drained     1.25 kg", False, [("Basmati", None, 1250)]),
    ("1 sausage, half in the pot half on top", False, [("sausage", None, None)]),
    ("mchele wa basmati kilo 1", False, [("mchele wa basmati", None, 1000)]),
    ("rice 4 polopaz cups (160 ml)", False, [("rice", 640, None)]),
    ("rice 2 cups (480 ml)", False, [("rice", 480, None)]),
    ("water: 2 cup + 1/2", False, [("water", 593, None)]),
    ("rice - fill the white cup 2x (its 160 ml)", False, [("rice", 320, None)]),
    ("1 red and 1 yellow pepper", False, [("yellow pepper", None, None)]),
    ("lamb shoulder 1 kg, pieces of 4 cm", False, [("lamb shoulder", None, 1000)]),
    ("2 cups rice", False, [("rice", 474, None)]),
    ("rice 2 cups", False, [("rice", 474, None)]),
    ("Rice: 2 cups", False, [("Rice", 474, None)]),
    ("Basmati rice - 1.5 cups (soak 20 mins)", False, [("Basmati rice", 356, None)]),
    ("300g basmati", False, [("basmati", None, 300)]),
    ("1 lb ground beef", False, [("ground beef", None, 454)]),
    ("2 T. oil", False, [("oil", 30, None)]),
    ("1 t. salt", False, [("salt", 5, None)]),
    ("¾ cup rice | 1½ cups water", False, [("rice", 178, None), ("water", 356, None)]),
    ("1 tsp salt, 1 tbsp sugar", True, [("salt", 5, None), ("sugar", 15, None)]),
    ("2 onions, 4 celery", True, [("onions", None, None), ("celery", None, None)]),
    (
        "8 large tomatoes · 8 tablespoons arborio rice · olive oil",
        True,
        [("tomatoes", None, None), ("arborio rice", 120, None), ("olive oil", None, None)],
    ),
    (
        "1 kg beef shin, cubed; 250 ml oil; 2 tsp salt",
        True,
        [("beef shin", None, 1000), ("oil", 250, None), ("salt", 10, None)],
    ),
    ("evaporated milk 150 ml + water 550 ml", False, [("evaporated milk", 150, None), ("water", 550, None)]),
    ("onion 1/2, mushrooms 4", False, [("onion", None, None), ("mushrooms", None, None)]),
    (
        "1/2 c. rice 1 qt. milk 1/2 c. maple syrup 1/4 t. salt",
        True,
        [("rice", 118, None), ("milk", 946, None), ("maple syrup", 118, None), ("salt", 1, None)],
    ),
    ("2 cups rice 1 cup water", True, [("rice", 474, None), ("water", 237, None)]),
    # what is one thing stays one
    ("2 cups rice 1 cup peas", True, [("rice", 474, None)]),
    ("salt and pepper", False, [("salt and pepper", None, None)]),
    ("1 (15 oz) can white beans, drained", False, [("white beans", None, 425)]),
    ("2 cups plus 2 tablespoons cold water", False, [("cold water", 504, None)]),
    ("coconut milk powder, 50 g", False, [("coconut milk powder", None, 50)]),
    ("2 cups water (hot, 480 ml)", False, [("water", 480, None)]),
    ("400 ml can coconut milk", False, [("coconut milk", 400, None)]),
    ("1½ kg lamb, in 3 cm pieces", False, [("lamb", None, 1500)]),
    ("1 and a half cups rice", False, [("rice", 356, None)]),
    ("4 dl water", False, [("water", 400, None)]),
    ("1.5 gal stock", False, [("stock", 5678, None)]),
    # the second is meant, or it is said again, or of another thing
    ("water 3 c no 2 1/4 c", False, [("water", 533, None)]),
    ("water 2 pots (scant 2 pots, hot)", False, [("water", 480, None)]),
    ("3 c. cooked rice (1 c. raw)", False, [("cooked rice", 711, None)]),
    ("6 ozs. Patna rice        1½ pints milk", True, [("Patna rice", None, 170), ("milk", 852, None)]),
    # no glass of water
    ("2 glasses dry white wine", False, [("dry white wine", 250, None)]),
    ("three-quarters of a pound of rice", False, [("rice", None, 340)]),
]


@pytest.mark.parametrize(("line", "many", "want"), LINES)
def test_what_a_line_holds(line: str, many: bool, want: list[tuple[str, float | None, float | None]]) -> None:
    found = items(line, Measures(), many)
    assert [i.name for i in found] == [name for name, _, _ in want]
    for item, (_, ml, g) in zip(found, want, strict=True):
        assert (item.ml is None) == (ml is None) and (item.g is None) == (g is None), (item.ml, item.g)
        assert item.ml is None or item.ml == pytest.approx(ml, rel=0.01, abs=1)
        assert item.g is None or item.g == pytest.approx(g, rel=0.01)
        # and each stands where it says it stands
        assert line[item.start : item.end].strip() and item.text in line
