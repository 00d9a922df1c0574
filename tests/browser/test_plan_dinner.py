"""The journey of an evening: plan three dishes, drag the serving time, what cannot make it, the calendar."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from .conftest import check_axe, check_width, in_the_morning


def begins(page: Page) -> int:
    hours, minutes = page.locator(".poster").first.inner_text().split(":")
    return int(hours) * 60 + int(minutes)


def test_three_dishes_for_seven(open_page) -> None:
    page = open_page("/bring")
    page.clock.set_fixed_time("2026-11-25T17:10:00")
    page.goto("/kept")
    page.get_by_role("link", name=re.compile("foxtail millet.*330 ml")).first.click()
    page.wait_for_url(re.compile(r"/kept/\d+$"))
    # on a phone the kept sheet stands within the page too
    phone = open_page("/" + page.url.split("/", 3)[3], width=390, height=844, has_touch=True)
    expect(phone.get_by_role("button", name="Plan it")).to_be_visible()
    check_width(phone)
    phone.close()
    page.get_by_role("button", name="Plan it").click()
    dishes = page.get_by_label("Which dishes").get_by_role("button")
    expect(dishes.filter(has_text="Tomato pilaf with chickpeas, in foxtail millet")).to_have_attribute(
        "aria-pressed", "true"
    )
    dishes.filter(has_text="Stirred mushroom pearl barley").click()
    dishes.filter(has_text="Beetroot and dill salad, in coarse bulgur").click()
    expect(page.get_by_text("19:00 to the table")).to_be_visible()
    expect(page.get_by_label("In order").get_by_role("listitem").filter(has_text="Beetroot").first).to_be_visible()
    early = begins(page)
    check_axe(page)
    check_width(page)

    # the handle: by hand, then by keyboard; all moves with it
    handle = page.get_by_role("slider", name="Serving time")
    box = handle.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + 12)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 120, box["y"] + 12, steps=8)
    page.mouse.up()
    expect(page.get_by_label("Serve at")).not_to_have_value("19:00")
    handle.focus()
    page.keyboard.press("ArrowRight")
    # the page's own clock stands still in this test: it is asked from here
    for _ in range(100):
        if begins(page) > early:
            break
        page.wait_for_timeout(200)
    assert begins(page) > early, page.get_by_label("Serve at").input_value()

    # pinned by hand, in the picture and in the list; let go again
    bar = (
        page.get_by_role("group", name="The plan to scale")
        .locator("g", has=page.locator("title", has_text="rinse millet"))
        .last
    )
    box = bar.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] - 60, box["y"] + box["height"] / 2, steps=6)
    page.mouse.up()
    held = page.get_by_role("button", name=re.compile("Let go of rinse millet"))
    expect(held).to_be_visible()
    page.get_by_role("button", name=re.compile("rinse millet.*: 5 minutes earlier")).click()
    expect(held).to_be_visible()
    held.click()
    expect(held).to_have_count(0)

    page.get_by_label("Serve at").fill("25:00")
    expect(page.get_by_role("alert")).to_contain_text("no time of day")
    page.get_by_label("Serve at").fill("17:40")
    expect(page.get_by_role("alert").first).to_contain_text("are left before 17:40")
    page.get_by_role("button", name=re.compile("Serve at 18")).first.click()
    expect(page.get_by_text(re.compile("18:.. to the table"))).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("button", name="Into the calendar").click()
    assert download.value.path().read_bytes().count(b"BEGIN:VALARM") >= 4


def test_on_a_phone(open_page) -> None:
    page = open_page("/plan", width=390, height=844, has_touch=True, color_scheme="dark")
    in_the_morning(page)
    page.reload()
    expect(page.get_by_text("Touch the dishes for tonight.")).to_be_visible()
    page.get_by_label("Which dishes").get_by_role("button").first.tap()
    expect(page.get_by_label("In order")).to_be_visible()
    check_axe(page)
    check_width(page)
