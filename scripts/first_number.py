"""How soon a number can be read, in a real browser: the first one from an empty cache, on this machine and with its processor slowed down four-fold. Ratios in one run; `make bench` prints them after the rest.

Twice: on loopback, where "the network" is the longest single wait for the server and hardly anything, so that the ratio is the processor's alone; and over a phone's
network (150 ms there and back, 1.6 Mbit/s down), which both readers wait for alike.
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


# a phone's network: there and back in ms, bytes a second down and up
PHONE = {"offline": False, "latency": 150, "downloadThroughput": 1_600_000 / 8, "uploadThroughput": 750_000 / 8}


def first_number(browser: Browser, address: str, slower: int, phone: bool = False) -> tuple[float, float]:
    """(ms until it stands, ms of them that the page waited for the server)."""
    context = browser.new_context(viewport={"width": 390, "height": 844}, bypass_csp=True)
    page = context.new_page()
    page.add_init_script(WATCH)
    link = context.new_cdp_session(page)
    link.send("Network.setCacheDisabled", {"cacheDisabled": True})
    link.send("Emulation.setCPUThrottlingRate", {"rate": slower})
    if phone:
        link.send("Network.enable")
        link.send("Network.emulateNetworkConditions", PHONE)
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
        fast, slow, far, far_slow = [], [], [], []
        for _ in range(ROUNDS):
            fast.append(first_number(browser, address, 1))
            slow.append(first_number(browser, address, 4))
            far.append(first_number(browser, address, 1, phone=True)[0])
            far_slow.append(first_number(browser, address, 4, phone=True)[0])
        browser.close()
    one, four = statistics.median(t for t, _ in fast), statistics.median(t for t, _ in slow)
    wait = statistics.median(w for _, w in fast)
    print(f"the first number, empty cache    {one:7.0f} ms, {wait:.0f} of them the longest wait for the server")
    print(f"  on a processor a quarter as fast {four:7.0f} ms, {four / (one + wait):.2f} times that and the wait")
    near, off = statistics.median(far), statistics.median(far_slow)
    print(
        f"  over a phone's network         {near:9.0f} ms, on a quarter of the processor {off:.0f}: {off / near:.2f} times (aim: at most 1.5)"
    )


if __name__ == "__main__":
    main()
