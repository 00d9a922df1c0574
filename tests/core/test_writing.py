"""What goes out can be read by others, and by ourselves."""

from __future__ import annotations

import csv
import io
import json
import re

import pytest
from recipe_scrapers import scrape_html

from mealshift import pipeline
from mealshift.grains import all_grains, grain
from mealshift.measures import Measures
from mealshift.pot import Kitchen
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.recipe import Correction
from mealshift.shifting import Choice, shift
from mealshift.shifting.alone import alone
from mealshift.writing import to_csv, to_jsonld, to_markdown, to_page, to_text

from .kitchen import DEMO_FILES, ingredients, report, steps


@pytest.mark.parametrize("file", DEMO_FILES, ids=lambda f: f.name[:2])
def test_json_ld_is_read_back_by_another_reader_and_by_ours(file) -> None:
    data = report(file.read_text(encoding="utf-8"), "foxtail-millet")
    text = to_jsonld(data)
    page = f'<html><script type="application/ld+json">{text}</script></html>'
    other = scrape_html(page, org_url="https://page.invalid/", supported_only=False)
    assert other.title() == data["title"]
    assert other.ingredients() == [i for i in ingredients(data) if i]
    assert other.instructions_list() == [s for s in steps(data) if s]
    ours = read(text)
    assert [ln.text for ln in ours.lines if not ln.section.startswith("step")] == [i for i in ingredients(data) if i]
    assert ours.source_line is not None and ours.source_line.grain == "foxtail-millet"
    assert all(c["text"] in json.loads(text)["description"] for c in data["cautions"])


def test_markdown_is_read_back_by_ours() -> None:
    data = report(DEMO_FILES[0].read_text(encoding="utf-8"), "bulgur-coarse")
    text = to_markdown(data)
    ours = read(text)
    assert ours.title == data["title"] and ours.servings == 5
    assert [s.text for s in ours.steps] == [s for s in steps(data) if s]
    assert "Caution: Coarse bulgur contains gluten" in text


def test_the_page_escapes_what_the_recipe_holds() -> None:
    hostile = "Pot <script>alert(1)</script>\n\nIngredients\n200 g rice\n400 ml water\n1 <img src=x onerror=alert(1)> onion\n\nMethod\n1. Cover the rice & water, simmer 16 minutes."
    page = to_page(report(hostile, "quinoa"))
    assert "<script" not in page and "<img" not in page and "&lt;img" in page
    assert "Cooked grain kept warm" in page and "http" not in page


@pytest.mark.parametrize("file", DEMO_FILES, ids=lambda f: f.name[:2])
def test_paper_says_the_jugs_numbers(file) -> None:
    data = report(file.read_text(encoding="utf-8"), "foxtail-millet")
    page, text = to_page(data), to_text(data)
    for pot in data["pots"]:
        said = f"Pour {pot['water']['jug_ml']} ml for {pot['dry']['g']} g"
        kept = pot["water"]["kettle_ml"]
        assert said in page and said in text
        assert (f"keep {kept} ml hot beside it" in page) == (kept > 0)
    assert " 0 to 0 minutes" not in page


@pytest.mark.parametrize("file", DEMO_FILES, ids=lambda f: f.name[:2])
def test_plain_text_is_read_back_by_ours(file) -> None:
    data = report(file.read_text(encoding="utf-8"), "quinoa")
    ours = read(to_text(data))
    assert ours.title == data["title"] and [s.text for s in ours.steps] == [s for s in steps(data) if s]
    assert [ln.text for ln in ours.lines if not ln.section.startswith("step")] == [i for i in ingredients(data) if i]


def test_the_ledger_as_csv_sums_and_holds_no_formula() -> None:
    data = report(DEMO_FILES[0].read_text(encoding="utf-8"), "quinoa")
    rows = list(csv.DictReader(io.StringIO(to_csv(data))))
    water = [int(r["amount"]) for r in rows if r["ledger"] == "water" and r["term"] != "pour"]
    assert (
        sum(water) == data["pots"][0]["water"]["pour_ml"] == next(int(r["amount"]) for r in rows if r["term"] == "pour")
    )
    assert not any(r["because"][:1] in "=+-@" for r in rows)


@pytest.mark.parametrize("slug", [g.slug for g in all_grains()])
def test_just_a_pot_is_a_recipe_that_reads_back_as_that_pot(slug: str) -> None:
    """The grain, what is poured and the texture asked for; and the bench changes nothing of it."""
    g = grain(slug)
    for texture in (None, *g.textures):
        text, way = alone(g, "1 cup", texture, Kitchen(), Measures())
        recipe = read(text, None, (Correction("", method=way),))
        assert recipe.source_line is not None and recipe.source_line.grain == slug
        # these two are dishes by their name, whatever is said of them
        if texture and slug not in ("rice-risotto", "rice-paella"):
            assert recipe.texture == texture
        assert not [d for d in recipe.doubts if d.field in ("amount", "water", "method")]
        made = pipeline.shown(shift(recipe, Choice(slug)))
        assert not made["laws"]
        assert abs(made["pots"][0]["water"]["pour_ml"] - float(re.search(r"(\d+) ml water", text)[1])) <= 6  # type: ignore[index]


def test_just_a_pot_asks_for_an_amount_and_a_texture_the_grain_has() -> None:
    with pytest.raises(Refusal, match="amount"):
        alone(grain("quinoa"), "some", None, Kitchen(), Measures())
    with pytest.raises(Refusal, match="never separate"):
        alone(grain("teff"), "1 cup", "separate", Kitchen(), Measures())
