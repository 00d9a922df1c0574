"""The journey of a saved page: bring it, correct two marks, take one back, shift to a blend, print it on one sheet."""

from __future__ import annotations

import json
import re

from playwright.sync_api import expect

from .conftest import check_axe

PAGE = {
    "@context": "https://schema.org",
    "@graph": [
        {"@type": "WebSite", "name": "Gate Cottage"},
        {
            "@type": ["Recipe"],
            "name": "Sunday pan with beans",
            "recipeYield": ["4", "4 servings"],
            "recipeIngredient": [
                "300 g long-grain rice",
                "550 ml vegetable stock",
                "150 ml coconut milk",
                "200 g green beans",
                "2 bay leaves",
                "2 tbsp oil",
            ],
            "recipeInstructions": [
                {
                    "@type": "HowToSection",
                    "name": "For the rice",
                    "itemListElement": [
                        {"@type": "HowToStep", "text": "Warm the oil with the bay leaves for 1 minute."},
                        {
                            "@type": "HowToStep",
                            "text": "Add the rice, stock and coconut milk, bring to the boil, cover and simmer for 16 minutes. Lay the beans on top for the last 8 minutes.",
                        },
                        {"@type": "HowToStep", "text": "Rest 10 minutes."},
                    ],
                }
            ],
        },
    ],
}


def test_a_saved_page_becomes_a_printed_blend(open_page, tmp_path) -> None:
    file = tmp_path / "page.html"
    # an old page: Windows letters, a script that must never run
    file.write_bytes(
        b"<!doctype html><html><head><script>document.title='ran'</script><script type='application/ld+json'>"
        + json.dumps(PAGE).encode()
        + b"</script></head><body>caf\xe9</body></html>"
    )
    page = open_page("/bring")
    page.get_by_label("Recipe file").set_input_files(file)
    understood = page.get_by_label("What I understood")
    expect(understood).to_contain_text("647 ml")
    assert page.title().endswith("· Meal Shift")

    page.get_by_role("button", name="150 ml coconut milk", exact=True).click()
    how_much = page.get_by_label("How much?")
    how_much.fill("a splash")
    page.get_by_role("button", name="So much").click()
    expect(page.get_by_role("alert")).to_contain_text("is not one I know")
    expect(how_much).to_have_value("a splash")
    how_much.fill("200 ml")
    page.get_by_role("button", name="So much").click()
    page.keyboard.press("Escape")
    expect(understood).to_contain_text("683 ml")

    page.get_by_role("button", name=re.compile(r"^10 minutes")).click()
    check_axe(page)
    page.get_by_role("radio", name="at the heat with the grain").click()
    page.keyboard.press("Escape")
    expect(understood).to_contain_text("26 min")
    page.get_by_role("button", name="Undo").click()
    expect(understood).to_contain_text("16 min")
    page.get_by_role("button", name="Redo").click()
    expect(understood).to_contain_text("26 min")
    page.get_by_role("button", name="Undo").click()

    # the corrections stay with the text, also when it is edited and read again
    page.get_by_role("button", name="Edit the text").click()
    box = page.get_by_label("Recipe text")
    box.fill(box.input_value().replace("2 tbsp oil", "3 tbsp oil"))
    page.get_by_role("button", name="Read it").click()
    expect(understood).to_contain_text("683 ml")

    page.get_by_role("button", name="To the bench").click()
    page.get_by_role("button", name=re.compile("Blend")).click()
    page.get_by_role("button", name=re.compile("half and half")).click()
    page.keyboard.press("Escape")
    expect(page.get_by_label("The recipe as it becomes")).to_contain_text("in foxtail millet and quinoa")
    page.get_by_role("button", name="Keep this shift").click()
    page.wait_for_url(re.compile(r"/kept/\d+$"))
    with page.expect_download() as ledger:
        page.get_by_role("link", name="Ledger, CSV").click()
    assert ledger.value.path().read_text().startswith("pot,ledger,term,amount,unit,because")
    with page.expect_popup() as popup:
        page.get_by_role("link", name="Print").click()
    sheet = popup.value
    expect(sheet.locator("h1")).to_contain_text("in foxtail millet and quinoa")
    expect(sheet.get_by_text("Count these in and count them out before serving: 2 bay leaves")).to_be_visible()
    pdf = sheet.pdf(format="A4", prefer_css_page_size=True)
    assert len(re.findall(rb"/Type\s*/Page\b", pdf)) == 1

    # kept with its corrections: back on the bench the pour is the same
    pour = page.locator(".poster").first.inner_text()
    page.get_by_role("button", name="Back on the bench").click()
    expect(page.locator(".poster").first).to_have_text(pour)
