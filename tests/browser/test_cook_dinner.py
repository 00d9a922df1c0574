"""The journey at the stove: one dinner at sixty times the speed, with a second page, a lost network and a reload; and the kitchen."""

from __future__ import annotations

import re
from contextlib import suppress
from datetime import datetime, timedelta

from playwright.sync_api import Page, expect
from playwright.sync_api import TimeoutError as TimeoutError_

from .conftest import ROOT, check_axe, check_width


def practise(page: Page, dish: str) -> None:
    # late enough at any hour at which the tests may run; practice begins with the first task all the same
    page.get_by_label("Serve at").fill((datetime.now() + timedelta(hours=3)).strftime("%H:%M"))
    dishes = page.get_by_label("Which dishes").get_by_role("button")
    dishes.filter(has_text=dish).click()
    page.get_by_role("button", name="Practise, 60 times as fast").click()
    page.wait_for_url(re.compile(r"/stove/\d+$"))


def do(page: Page, title: str, key: str) -> None:
    """Waits for the thing to do, and does it. A timer that runs out lies in between at most."""
    now = page.get_by_label("Now", exact=True)
    expect(now.get_by_role("heading", name=title)).to_be_visible(timeout=90_000)
    now.get_by_role("button", name=key).click()


def test_one_dinner_from_the_first_rinse_to_the_table(open_page, chromium, house) -> None:
    page = open_page("/plan", width=390, height=844, has_touch=True)
    page.evaluate("() => { window.shaken = []; navigator.vibrate = (p) => window.shaken.push(p.length); }")
    practise(page, "Tomato pilaf with chickpeas, in foxtail millet")
    expect(page.get_by_text("screen may sleep").or_(page.get_by_text("60 times as fast")).first).to_be_visible()
    now = page.get_by_label("Now", exact=True)
    # the recipe's own words, with what goes in; it fries while the grain is rinsed
    expect(now.get_by_role("heading", name="Soften the onion")).to_be_visible(timeout=60_000)
    expect(now.get_by_role("list", name="What goes in now")).to_contain_text("1 onion, chopped")
    # called once, by the hand, the window's title and the live region
    expect(page).to_have_title(re.compile("^Now: Soften the onion"))
    expect(page.locator("[data-calls]")).to_contain_text("Soften the onion")
    assert page.evaluate("window.shaken") == [3]
    do(page, "Soften the onion", "Begun")
    do(page, "Rinse millet", "Done")
    do(page, "Soften the onion", "Done")
    do(page, "Stir in the millet", "Done")
    page.get_by_role("button", name="The recipe").click()
    expect(page.get_by_role("dialog")).to_contain_text("330 ml vegetable stock")
    check_axe(page)
    page.get_by_role("button", name="Close", exact=True).click()
    expect(now.locator(".poster")).to_have_text("330", timeout=60_000)
    check_axe(page)
    check_width(page)
    now.get_by_role("button", name="Heat is on").click()
    # a timer that is ended before its time asks once; a slow machine's has run out by itself by then
    boils = page.get_by_role("button", name="It boils")
    page.get_by_role("button", name="Done: Pour, and bring it to the boil").or_(boils).first.click()
    with suppress(TimeoutError_):
        page.get_by_role("button", name="Yes, done").or_(boils).first.click(timeout=10_000)

    # the network is gone: the page goes on, also loaded anew, knows what to do when it goes wrong, and tells its touches once
    page.evaluate("navigator.serviceWorker.ready.then(() => caches.match('/'))")
    page.context.set_offline(True)
    page.get_by_role("button", name="Poured more").last.click()
    page.get_by_role("button", name="¼ glass").click()
    expect(page.get_by_text(re.compile("No network"))).to_be_visible()
    page.reload()
    expect(page.get_by_text(re.compile("No network.*touch(es)? wait"))).to_be_visible()
    page.get_by_role("button", name="Something went wrong").click()
    page.get_by_role("button", name="it boiled over").click()
    sheet = page.get_by_role("dialog")
    expect(sheet).to_contain_text("loses about")
    check_axe(page)
    sheet.get_by_role("button", name="I do that").click()
    page.get_by_role("button", name="The recipe").click()
    expect(sheet).to_contain_text("330 ml vegetable stock")
    page.get_by_role("button", name="Close", exact=True).click()
    page.context.set_offline(False)
    expect(page.get_by_text("millet: 55 ml more than the pour.")).to_be_visible()
    expect(page.get_by_text(re.compile("No network"))).to_have_count(0)

    # everything done stands in a list, is taken back and put back
    page.get_by_role("button", name="What was done").click()
    check_axe(page)
    sheet.get_by_role("button", name="Undo: foxtail millet: it boiled over").or_(
        sheet.get_by_role("button", name="Undo: Millet: it boiled over")
    ).first.click()
    sheet.get_by_role("button", name=re.compile("Undo: .*55 ml more")).click()
    expect(page.get_by_text("millet: 55 ml more than the pour.")).to_have_count(0)
    sheet.get_by_role("button", name=re.compile("Put back: .*55 ml more")).click()
    page.get_by_role("button", name="Close", exact=True).click()
    expect(page.get_by_text("millet: 55 ml more than the pour.")).to_be_visible()

    # a second device sees the same, and what it touches is seen here
    second = chromium.new_page(base_url=house, locale="en-GB", viewport={"width": 1280, "height": 800})
    second.goto(page.url)
    expect(second.get_by_text("millet: 55 ml more than the pour.")).to_be_visible()
    second.get_by_role("button", name="Note").click()
    second.get_by_label("Note", exact=True).fill("a little smoky")
    second.get_by_role("button", name="Keep the note").click()
    page.get_by_role("button", name="Note").click()
    expect(page.get_by_text("a little smoky")).to_be_visible()
    page.get_by_role("button", name="Close", exact=True).click()
    second.close()

    # the scale
    page.get_by_role("button", name="On the scale").click()
    expect(page.get_by_text(re.compile("ml are still free, as reckoned"))).to_be_visible()

    do(page, "The chickpeas go in", "It is in")
    # a minute is a second here: on a slow machine the pot may be over its time before the kettle is called for
    kettle = now.get_by_role("heading", name="Kettle on")
    expect(kettle.or_(now.get_by_role("heading", name="Lowest heat"))).to_be_visible(timeout=90_000)
    if kettle.is_visible():
        do(page, "Kettle on", "Kettle is on")
    expect(now.get_by_role("heading", name="Lowest heat")).to_be_visible(timeout=90_000)
    now.get_by_role("button", name="Not yet: 3 min").click()
    expect(page.get_by_text(re.compile(r"\d+ minutes later than planned"))).to_be_visible()
    do(page, "Lowest heat", "It is done: off the heat")
    do(page, "Off the heat", "Rested")
    expect(now.get_by_role("group", name="Count them out")).to_be_visible(timeout=90_000)
    finish = now.get_by_role("button", name=re.compile("1 not found yet"))
    expect(finish).to_be_visible()
    now.get_by_role("checkbox", name="2 bay leaves").check()
    now.get_by_role("button", name="To the table").click()
    expect(page.get_by_role("heading", name="On the table")).to_be_visible()
    expect(page.get_by_text("into the fridge by")).to_be_visible()
    check_axe(page)
    # also the last touch can be a slip
    page.get_by_role("button", name="Not over yet").click()
    now.get_by_role("button", name="To the table").click()
    expect(page.get_by_role("heading", name="On the table")).to_be_visible()
    check_width(page)
    page.get_by_role("link", name="To the stove").click()
    expect(page.get_by_role("heading", name="Over")).to_be_visible()


def test_the_kitchen_and_a_boil_off_test(open_page) -> None:
    page = open_page("/kitchen")
    expect(page.get_by_role("heading", name="Kitchen")).to_be_visible()
    check_axe(page)
    check_width(page)
    page.clock.install()
    page.get_by_role("button", name=re.compile("the wide pan")).click()
    page.get_by_role("link", name="Boil-off test").click()
    page.get_by_label("So much water, ml or g").fill("20")
    page.get_by_role("button", name="It simmers now").click()
    expect(page.get_by_role("alert")).to_contain_text("start with 300 ml")
    page.get_by_label("So much water, ml or g").fill("1200")
    page.get_by_role("button", name="It simmers now").click()
    expect(page.get_by_role("button", name="Five minutes at the least")).to_be_disabled()
    page.clock.run_for(10 * 60_000 + 2000)
    # the time is kept though the page is closed
    page.reload()
    page.get_by_role("button", name="It is off the heat").click()
    page.get_by_label("Left, ml or g").fill("1300")
    page.get_by_role("button", name="What does it lose?").click()
    expect(page.get_by_role("alert")).to_contain_text("More water than before?")
    page.get_by_label("Left, ml or g").fill("1060")
    page.get_by_role("button", name="What does it lose?").click()
    expect(page.get_by_role("status")).to_contain_text("more than usual")
    check_axe(page)
    check_width(page)
    page.get_by_role("button", name="Reckon with it").click()
    expect(page.get_by_role("button", name=re.compile("the wide pan"))).to_contain_text("% more than usual")


CARROTS = """Roast carrots
Serves 5

1 kg carrots, cut in sticks
2 tbsp oil
1 lemon

1. Heat the oven to 210 °C.
2. Toss the carrots with the oil on a tray.
3. Roast for 35 minutes, turning once after 20 minutes.
4. Squeeze the lemon over and serve.
"""


def tell(page: Page, method: str, path: str, **data: object) -> None:
    """A door of the house, with the page's own session."""
    token = next(c["value"] for c in page.context.cookies() if c["name"] == "csrftoken")
    answer = getattr(page.context.request, method)(f"/api/{path}", data=data, headers={"X-CSRFToken": token})
    assert answer.ok, answer.text()


def keep(page: Page, recipe: str, **choice: object) -> None:
    """A shift kept beforehand, as the bench keeps it."""
    text = (ROOT / "demo" / "recipes" / recipe).read_text(encoding="utf-8")
    tell(page, "post", "shifts", text=text, choice=choice)


def test_a_dinner_of_three_under_pressure_stirred_and_from_the_oven(open_page) -> None:
    page = open_page("/bring")
    keep(page, "01-tomato-pilaf.txt", to="barley-hulled", method="pressure", whistles=3)
    keep(page, "10-soft-meal-with-mushrooms.txt", to="maize-meal-coarse")
    tell(page, "put", "kitchen", **{**page.context.request.get("/api/kitchen").json(), "pressure_cooker": False})
    # a dish without a grain goes straight to the plan
    page.get_by_label("Recipe text").fill(CARROTS)
    page.get_by_role("button", name="Read it").click()
    page.get_by_role("button", name="No grain in it: cook it as it is").click()
    page.wait_for_url("**/plan")
    dishes = page.get_by_label("Which dishes").get_by_role("button")
    expect(dishes.filter(has_text="Roast carrots")).to_have_attribute("aria-pressed", "true")
    at = datetime.now() + timedelta(hours=4)
    page.get_by_label("Serve at").fill(at.strftime("%I.%M %p").lower())
    dishes.filter(has_text="in pot barley").click()
    dishes.filter(has_text=re.compile("^Soft .*maize meal")).click()

    # what the kitchen lacks is asked, and mended with one touch
    order = page.get_by_label("In order")
    expect(order.get_by_role("listitem").filter(has_text="Soft meal with mushrooms").first).to_be_visible()
    page.get_by_role("button", name="We have a pressure cooker").click()
    expect(order.get_by_role("listitem").filter(has_text="let the pressure fall")).to_be_visible()
    expect(order.get_by_role("listitem").filter(has_text="Roast for 35 minutes")).to_contain_text("oven")
    expect(page.get_by_role("alert")).to_have_count(0)
    check_axe(page)
    check_width(page)

    # the phone shows what the laptop planned, and the other way round
    phone = open_page("/plan", width=390, height=844, has_touch=True)
    pressed = phone.get_by_label("Which dishes").locator("[aria-pressed=true]")
    expect(pressed).to_have_count(3)
    expect(phone.get_by_label("Serve at")).to_have_value(at.strftime("%H:%M"))
    phone.get_by_role("button", name="One burner more").tap()
    expect(page.get_by_text("burners", exact=False).first).to_contain_text(
        phone.locator("output").inner_text().split()[0]
    )
    check_width(phone)

    page.get_by_role("button", name="Practise, 60 times as fast").click()
    page.wait_for_url(re.compile(r"/stove/\d+$"))
    page.get_by_role("button", name="Let it run by itself").click()
    # stirred at its rhythm, and turned in the oven at its minute, each called for
    done = page.get_by_role("dialog")
    whistle = page.get_by_role("button", name=re.compile(r"^(The barley|It) whistled"))
    expect(whistle).to_be_visible(timeout=120_000)
    expect(whistle).to_contain_text("0 of 3")
    check_axe(page)
    whistle.click()
    expect(whistle).to_contain_text("1 of 3")
    expect(page.get_by_role("heading", name="On the table")).to_be_visible(timeout=150_000)
    expect(page.get_by_role("heading", name=re.compile("How did the .* come out"))).to_have_count(2)
    expect(done).to_have_count(0)
    told = page.context.request.get(page.url.replace("/stove/", "/api/cookings/")).json()["state"]
    said = [e["text"] for e in told["events"]]
    assert sum(s.startswith("Stir, down to the bottom") for s in said) >= 3
    assert any(s.startswith("Turning once after 20 minutes") for s in said)
