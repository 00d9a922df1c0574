"""The catalogue is complete, and a bad row is named."""

from __future__ import annotations

import pytest

from mealshift.grains import all_grains, grain, load
from mealshift.grains.catalogue import BadRow
from mealshift.problems import Refusal
from mealshift.reading.names import find_grains

NEEDED = [
    "rice-white-long",
    "rice-white-medium",
    "rice-white-short",
    "basmati",
    "jasmine",
    "rice-brown-long",
    "rice-black",
    "wild-rice",
    "quinoa",
    "barley-pearl",
    "bulgur-coarse",
    "little-millet",
    "foxtail-millet",
    "barnyard-millet",
    "rice-grits",
    "maize-meal-coarse",
]


@pytest.mark.parametrize("slug", NEEDED)
def test_promised_grains_are_there(slug: str) -> None:
    assert grain(slug).slug == slug


def test_every_alias_finds_its_own_grain_and_no_two_share_one() -> None:
    aliases = [(a, g.slug) for g in all_grains() for a in g.aliases]
    assert len({a for a, _ in aliases}) == len(aliases)
    wrong = [(a, slug, find_grains(f"200 g {a}, rinsed")) for a, slug in aliases]
    assert [(a, slug) for a, slug, found in wrong if [f.slug for f in found] != [slug]] == []


@pytest.mark.parametrize(
    ("spoil", "says"),
    [
        ("density = 0.72", "density = 7.2|density is not that of a grain"),
        ("fluffy = 1.9", "fluffy = 1.2|must rise"),
        ('methods = ["covered"', 'methods = ["boiled"|unknown method boiled'),
        ("rest = 5", "|lacks rest"),
    ],
)
def test_a_bad_row_names_its_file_and_slug(spoil: str, says: str) -> None:
    row = """family = "x"
gluten = false
keeping = "dry"
[[grain]]
slug = "test-grain"
name = "t"
short = "t"
aliases = ["t"]
names = { en = "t" }
whole = true
density = 0.72
hydration = { separate = 1.5, fluffy = 1.9 }
simmer = 15
rest = 5
rinse = 1
rinse_why = "dust"
methods = ["covered"]
done_when = "done"
"""
    assert load(row, "x.toml")[0].slug == "test-grain"
    bad, message = says.split("|")
    with pytest.raises(BadRow, match=f"x.toml:5: test-grain: .*{message}"):
        load(row.replace(spoil, bad), "x.toml")


def test_an_unknown_grain_suggests_a_near_one() -> None:
    with pytest.raises(Refusal, match="foxtail-millet"):
        grain("foxtail-milet")
