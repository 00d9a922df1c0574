"""A list and a method that were copied side by side, and what only looks like it."""

from __future__ import annotations

import re
from itertools import zip_longest

import pytest

from mealshift import pipeline
from mealshift.reading import read
from mealshift.text.columns import apart

LIST = ["INGREDIENTS", "1½ cups long-grain rice", "3 cups stock", "1 onion, chopped", "2 tbsp oil", "1 tsp salt"]
METHOD = [
    "METHOD",
    "1  Fry the onion in the oil for",
    "6 minutes. Add the rice, stir it round",
    "and pour in the stock.",
    "2  Cover, turn to low and cook for",
    "17 minutes. Take off the heat and leave",
    "for 10 minutes with the lid on.",
]


def beside(left: list[str], right: list[str], width: int = 30) -> str:
    rows = [f"{a:<{width}}{b}".rstrip() for a, b in zip_longest(left, right, fillvalue="")]
    return "Tomato pan\nServes 4\n" + "\n".join(rows) + "\n"


def test_the_list_comes_first_and_the_method_below_it() -> None:
    text = apart(beside(LIST, METHOD))
    assert text.split("\n") == ["Tomato pan", "Serves 4", *LIST, "", *METHOD, ""]


@pytest.mark.parametrize("width", [26, 34, 48])
def test_a_sheet_is_read_as_it_is_meant(width: int) -> None:
    j = pipeline.read_report(read(beside(LIST, METHOD, width)))
    assert j["source_grain"] is not None and j["source_grain"]["ml"] == pytest.approx(355, abs=1)
    assert (j["simmer_min"], j["rest_min"], len(j["steps"])) == (17, 10, 2)


def test_a_method_whose_steps_hang_behind_their_numbers_is_taken_apart_under_its_heads() -> None:
    hanging = [
        "WHAT YOU DO",
        "1 Fry the onion, six minutes.",
        "  Add rice, stir round,",
        "  pour stock over.",
        *METHOD[4:],
    ]
    above = "Prep 10 min              Cook 25 min\n"
    text = apart(above + beside(["WHAT YOU NEED", *LIST[1:]], hanging))
    assert text.startswith(above) and text.index("1 tsp salt") < text.index("WHAT YOU DO")


def test_a_thing_that_the_width_cut_is_made_whole() -> None:
    card = beside(
        ["1 c. rice", "1 can cream of celery", "  soup (10 oz.)", "2 c. water, salted", "  (1 tsp.)", "1 T. butter"],
        ["2 c. milk", "1 pkg. frozen chopped", "  spinach, thawed", "½ c. crumbs", "1 egg", "2 T. oil"],
    )
    rows = [re.split(r" {3,}", ln) for ln in apart(card).split("\n")]
    assert ["1 can cream of celery soup (10 oz.)", "1 pkg. frozen chopped spinach, thawed"] in rows
    assert ["2 c. water, salted (1 tsp.)", "½ c. crumbs"] in rows and ["1 egg"] in [r[-1:] for r in rows]
    # a table of three columns has rows that belong together
    table = "\n".join(f"{n}    cups    thing\n  more" for n in range(1, 6))
    assert apart(table) == table


def test_what_stands_otherwise_side_by_side_stays() -> None:
    card = beside(
        ["1 c. rice", "2 c. water", "1 tsp. salt", "1 T. butter", "1 onion"],
        ["2 c. milk", "½ c. raisins", "1 egg", "nutmeg", "1 lemon", "2 T. sugar"],
    )
    plain = "Tomato pan\n\n" + "\n".join(LIST) + "\n\n" + "\n".join(METHOD) + "\n"
    tabbed = beside(LIST, METHOD).replace("   ", "\t")
    for text in (card, plain, tabbed, beside(LIST[:3], METHOD[:3])):
        assert apart(text) == text
