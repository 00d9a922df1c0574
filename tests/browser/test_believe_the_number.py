"""The journey of a cook who doubts: what if, every grain for the dish, a grain's own page, a blend."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import expect

from .conftest import check_axe, check_width


@pytest.mark.parametrize("scheme", ["light", "dark"])
def test_what_if_every_grain_and_the_grains_page(open_page, scheme: str) -> None:
    page = open_page("/", color_scheme=scheme)
    page.get_by_role("button", name="Tomato pilaf with chickpeas").click()
    page.get_by_role("button", name="To the bench").click()
    what = page.get_by_label("What if", exact=True)
    expect(what).to_contain_text("It comes out right")
    what.get_by_role("radio", name="none").click()
    expect(what).to_contain_text("It catches")
    what.get_by_role("button", name="As planned").click()
    expect(what).to_contain_text("It comes out right")
    # the end of the heat, by keyboard and by hand
    off = what.get_by_role("slider", name="Minutes at the heat")
    off.focus()
    page.keyboard.press("PageDown")
    expect(what).to_contain_text("Hard in the middle")
    off.scroll_into_view_if_needed()
    box = off.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 60)
    page.mouse.down()
    page.mouse.move(box["x"] + 420, box["y"] + 60, steps=6)
    page.mouse.up()
    assert int(off.get_attribute("aria-valuenow") or 0) > 14
    check_axe(page)

    # a blend, decided and explained
    page.get_by_role("button", name=re.compile("Blend")).click()
    page.get_by_role("button", name=re.compile("30 : 70")).click()
    expect(page.get_by_role("dialog", name="Blend")).to_contain_text("times meet")
    page.keyboard.press("Escape")
    expect(page.get_by_label("The recipe as it becomes")).to_contain_text("in foxtail millet and long-grain white rice")

    page.get_by_role("link", name="Every grain").click()
    ranked = page.get_by_label("Ranked")
    expect(ranked.get_by_role("heading", name="Hardly another dish")).to_be_visible()
    # nobody who leaves white rice looks for another white rice
    expect(ranked).not_to_contain_text("basmati")
    check_axe(page)
    page.get_by_role("button", name="without gluten").click()
    expect(page.get_by_role("button", name=re.compile("couscous"))).to_have_count(0)
    ranked.get_by_role("button", name=re.compile("little millet")).click()
    card = page.get_by_label("little millet")
    expect(card).to_contain_text("as the dish wants")
    # one beside another: what differs, and one touch goes there and back
    other = card.get_by_role("listitem").first.get_by_role("button")
    name = (other.text_content() or "").split(",")[0]
    other.click()
    expect(page.get_by_label(name, exact=True)).to_contain_text("to the plate")
    page.get_by_role("button", name="in the larder", exact=True).click()
    expect(ranked.get_by_role("button", name=re.compile("teff"))).to_have_count(0)
    ranked.get_by_role("button", name=re.compile("little millet")).click()
    check_axe(page)
    check_width(page)
    card.get_by_role("link", name="All about little millet").click()
    expect(page.get_by_role("heading", name="little millet")).to_be_visible()
    expect(page.locator("i[lang=ta]")).to_have_text("samai")
    check_axe(page)
    other = page.get_by_label("The other way round")
    other.get_by_role("textbox").first.fill("600")
    other.get_by_role("button", name="Reckon").click()
    expect(other).to_contain_text("and 600 ml to pour")
    other.get_by_role("button", name="the water stands this high").click()
    other.get_by_role("textbox").first.fill("40")
    other.get_by_role("button", name="Reckon").click()
    expect(other.get_by_role("alert")).to_contain_text("between 0 and 20 cm")
    page.get_by_role("listitem").filter(has_text="soft, with plenty of water").get_by_role(
        "button", name="on the bench"
    ).click()
    expect(page.get_by_label("The recipe as it becomes")).to_contain_text("in little millet")
    expect(page.get_by_role("button", name="soft", exact=True)).to_be_visible()
    expect(
        page.get_by_text("soak water", exact=False).or_(page.get_by_role("switch", name="water away")).first
    ).to_be_visible()


def test_on_a_phone(open_page) -> None:
    page = open_page("/", width=390, height=844, has_touch=True)
    page.get_by_role("button", name="Lentils with browned onions").tap()
    page.get_by_role("button", name="To the bench").click()
    expect(page.get_by_label("What if", exact=True)).to_be_visible()
    for link in ("Every grain", "Kept"):
        page.get_by_role("button", name="House").tap()
        page.get_by_role("link", name=link, exact=True).tap()
        page.wait_for_load_state("networkidle")
        check_axe(page)
        check_width(page)
    page.get_by_role("link", name="All grains").tap()
    page.get_by_role("link", name=re.compile("black rice")).first.tap()
    expect(page.get_by_role("heading", name="black rice")).to_be_visible()
    check_axe(page)
    check_width(page)


def test_just_a_pot_from_a_jar_to_the_bench(open_page) -> None:
    """No recipe: an amount that is none is said at the field, and a bag's own grain goes to the bench with its water, without a question."""
    page = open_page("/larder")
    page.get_by_role("button", name=re.compile("foxtail millet")).first.click()
    page.get_by_role("button", name="Just a pot of it").click()
    form = page.get_by_role("form", name="Just a pot")
    form.get_by_label("how much").fill("some")
    form.get_by_role("button", name="Reckon the pot").click()
    expect(form.get_by_role("alert")).to_contain_text("amount")
    form.get_by_label("how much").fill("2 glasses")
    form.get_by_label("how it comes out").select_option("soft")
    form.get_by_role("button", name="Reckon the pot").click()
    expect(page.get_by_label("The recipe as it becomes")).to_contain_text("Foxtail millet, on its own, soft")
    expect(page.get_by_text("I am not sure")).to_have_count(0)
    page.get_by_role("button", name="Keep this shift").click()
    expect(page.get_by_role("button", name="Plan it")).to_be_visible()
