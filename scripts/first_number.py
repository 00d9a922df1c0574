"""How soon a number can be read, in a real browser: the first one from an empty cache, on this machine and with its processor slowed down four-fold. Ratios in one run; `make bench` prints them after the rest.

"Plus the network" is the wait for what the server sends, which no slow processor of the reader's makes longer: here it is the longest single wait of the unthrottled
page, loopback and all; waits that run beside each other are not added up.
"""

from __future__ import annotations

import statistics
import tempfile

from playwright.sync_api import Browser, sync_playwright
from served import CHROMIUM, FLAGS, served

ROUNDS = 7
# when the first number of millilitres stands on the page
WATCH = """
new MutationObserver((_, me) => {
  const shown = [...document.querySelectorAll('main li strong, section li strong')].some((x) => /^\\d+$/.test(x.textContent));
  if (shown) { window.firstNumber = performance.now(); me.disconnect(); }
}).observe(document, { childList: true, subtree: true, characterData: true });
"""


def first_number(browser: Browser, address: str, slower: int) -> tuple[float, float]:
    """(ms until it stands, ms of them that the page waited for the server)."""
    context = browser.new_context(viewport={"width": 390, "height": 844}, bypass_csp=True)
    page = context.new_page()
    page.add_init_script(WATCH)
    link = context.new_cdp_session(page)
    link.send("Network.setCacheDisabled", {"cacheDisabled": True})
    link.send("Emulation.setCPUThrottlingRate", {"rate": slower})
    page.goto(address)
    page.wait_for_function("window.firstNumber", timeout=30_000)
    took = page.evaluate("window.firstNumber")
    waited = page.evaluate(
        "performance.getEntriesByType('resource').concat(performance.getEntriesByType('navigation')).reduce((t, e) => Math.max(t, e.responseStart - e.requestStart), 0)"
    )
    context.close()
    return took, waited


def main() -> None:
    rates = {"MEALSHIFT_TRY_RATE": "100000/m", "MEALSHIFT_GUEST_RATE": "100000/m"}
    with tempfile.TemporaryDirectory() as data, served(data, **rates) as address, sync_playwright() as p:
        browser = p.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        first_number(browser, address, 1)
        fast, slow = [], []
        for _ in range(ROUNDS):
            fast.append(first_number(browser, address, 1))
            slow.append(first_number(browser, address, 4))
        browser.close()
    one, four = statistics.median(t for t, _ in fast), statistics.median(t for t, _ in slow)
    wait = statistics.median(w for _, w in fast)
    print(f"the first number, empty cache    {one:7.0f} ms, {wait:.0f} of them the longest wait for the server")
    print(
        f"  on a processor a quarter as fast {four / (one + wait):5.2f} times that and the network (aim: at most 1.5)"
    )


if __name__ == "__main__":
    main()
