"""`make screenshots`: the README's pictures, from the demo data of a server of its own."""

from __future__ import annotations

import re
import tempfile
from datetime import datetime, timedelta

from playwright.sync_api import Page, sync_playwright
from served import CHROMIUM, FLAGS, ROOT, served

OUT = ROOT / "docs" / "screenshots"


def take(page: Page, name: str) -> None:
    page.wait_for_timeout(500)
    page.get_by_text("One moment…").first.wait_for(state="hidden")
    page.wait_for_timeout(300)
    page.screenshot(path=OUT / f"{name}.png")


def stove(phone: Page, address: str) -> None:
    """A practice cooking, up to the pour."""
    phone.goto(f"{address}/plan")
    phone.get_by_label("Serve at").fill((datetime.now() + timedelta(hours=3)).strftime("%H:%M"))
    for pressed in phone.get_by_label("Which dishes").locator("[aria-pressed=true]").all():
        pressed.click()
    phone.get_by_label("Which dishes").get_by_role("button").last.click()
    phone.get_by_role("button", name="Practise").click()
    now = phone.get_by_label("Now", exact=True)
    heat = now.get_by_role("button", name="Heat is on")
    for _ in range(200):
        if heat.is_visible():
            break
        key = now.get_by_role("button", name=re.compile(r"^(Begun|Done)$"))
        if key.first.is_visible():
            key.first.click()
        phone.wait_for_timeout(400)
    phone.get_by_role("button", name="Heat is on").wait_for(timeout=90_000)
    # the offer to undo goes by itself
    phone.wait_for_timeout(13_000)
    take(phone, "stove")


def main() -> None:
    with tempfile.TemporaryDirectory() as data, served(data, MEALSHIFT_DEMO="1") as address, sync_playwright() as p:
        browser = p.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        # a fixed evening, so that the pictures change only when the views do
        page.clock.set_fixed_time("2026-11-25T18:26:00")
        page.goto(address)
        page.click("text=Tomato pilaf with chickpeas")
        page.wait_for_selector("text=300 ml vegetable stock")
        page.get_by_role("button", name="To the bench").wait_for(timeout=60_000)
        take(page, "bring")
        page.click("text=To the bench")
        page.wait_for_selector(".poster >> nth=0")
        take(page, "bench")
        page.click(".poster >> nth=0")
        take(page, "why")
        page.keyboard.press("Escape")
        page.get_by_label("What if", exact=True).get_by_role("radio", name="none").click()
        page.get_by_label("What if", exact=True).evaluate("e => e.scrollIntoView({block: 'center'})")
        take(page, "what-if")
        page.get_by_role("link", name="Every grain").click()
        page.wait_for_selector("text=Hardly another dish")
        page.evaluate("window.scrollTo(0, 0)")
        take(page, "every-grain")
        page.goto(f"{address}/grains/little-millet")
        page.wait_for_selector("text=How cooks do it")
        take(page, "grain")
        page.clock.set_fixed_time("2026-11-25T17:10:00")
        page.goto(f"{address}/kept")
        page.wait_for_selector("text=foxtail millet")
        take(page, "kept")
        page.click("text=coarse bulgur")
        page.wait_for_selector(".poster >> nth=0")
        take(page, "kept-shift")
        page.get_by_role("button", name="Plan it").click()
        page.get_by_label("Which dishes").get_by_role("button").first.click()
        page.get_by_label("Which dishes").get_by_role("button").last.click()
        page.wait_for_selector("text=to the table")
        page.wait_for_timeout(1500)
        take(page, "plan")
        page.goto(f"{address}/kitchen")
        page.wait_for_selector("text=the blue pot")
        take(page, "kitchen")
        page.goto(f"{address}/week")
        page.get_by_role("button", name="The week after").click()
        page.get_by_role("button", name="As in the last week").click()
        page.get_by_role("button", name="Suggest").click()
        page.wait_for_selector("text=2 of 5")
        page.get_by_label("Days").locator(".changed").first.click()
        take(page, "week")
        page.goto(f"{address}/notebook")
        page.get_by_label("Pots cooked").get_by_role("checkbox").nth(0).check()
        page.get_by_label("Pots cooked").get_by_role("checkbox").nth(2).check()
        page.wait_for_selector("text=came out")
        take(page, "notebook")
        page.goto(f"{address}/larder")
        page.get_by_role("button", name="coarse bulgur").click()
        page.get_by_role("button", name="What can I make").click()
        page.wait_for_selector("text=Day-after")
        take(page, "larder")
        phone = browser.new_context(
            viewport={"width": 390, "height": 844}, color_scheme="dark", has_touch=True, locale="en-GB"
        ).new_page()
        phone.goto(address)
        # the phone takes up what the laptop had in hand
        phone.get_by_role("button", name="Another recipe").tap()
        phone.tap("text=Ginger broth porridge")
        phone.tap("text=To the bench")
        phone.wait_for_selector(".poster >> nth=0")
        take(phone, "bench-phone")
        stove(phone, address)
        # who has no account sees this first
        door = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB").new_page()
        door.goto(address)
        door.get_by_role("button", name="House").click()
        door.get_by_role("button", name="Sign out").click()
        door.wait_for_selector("text=the same plate")
        take(door, "first")
        browser.close()


if __name__ == "__main__":
    main()
