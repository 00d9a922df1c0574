"""A real server on a loopback port, a real browser, and axe."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Callable, Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, Playwright, expect

ROOT = Path(__file__).parents[2]
AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"
# a busy machine may be slow; what is expected must still come
expect.set_options(timeout=20_000)
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


@pytest.fixture(scope="session")
def house() -> Iterator[str]:
    """Meal Shift as `make demo` serves it, on its own data and a free port."""
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        port = s.getsockname()[1]
    with tempfile.TemporaryDirectory() as data:
        env = {
            **os.environ,
            "MEALSHIFT_DATA": data,
            "MEALSHIFT_DEMO": "1",
            "MEALSHIFT_OPEN": "1",
            "MEALSHIFT_DOOR_RATE": "100000/h",
            "MEALSHIFT_GUEST_RATE": "100000/h",
        }
        server = subprocess.Popen([sys.executable, "manage.py", "serve", "--port", str(port)], cwd=ROOT, env=env)
        address = f"http://127.0.0.1:{port}"
        try:
            for _ in range(150):
                try:
                    urllib.request.urlopen(f"{address}/api/session", timeout=2)
                    break
                except OSError:
                    if server.poll() is not None:
                        break
                    time.sleep(0.2)
            else:
                pytest.fail("the server did not answer within half a minute")
            if server.poll() is not None:
                pytest.fail(f"the server ended with {server.returncode} before it answered: its words stand above")
            yield address
        finally:
            server.terminate()
            server.wait(10)


@pytest.fixture(scope="session")
def chromium(playwright: Playwright) -> Iterator[Browser]:
    browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=FLAGS)
    yield browser
    browser.close()


@pytest.fixture
def open_page(chromium: Browser, house: str) -> Iterator[Callable[..., Page]]:
    """Opens a page of the house; at the end, nothing may have gone wrong in its console or left the machine."""
    contexts, troubles = [], []

    def opened(path: str = "/", width: int = 1280, height: int = 800, **options: Any) -> Page:
        context = chromium.new_context(
            **{"locale": "en-GB", **options},
            viewport={"width": width, "height": height},
            base_url=house,
            accept_downloads=True,
        )
        if not contexts:
            empty_hands(context)
        contexts.append(context)
        page = context.new_page()
        page.set_default_timeout(30_000)
        page.on("pageerror", lambda fault: troubles.append(str(fault)))
        # a refused request is part of a journey; anything else the console says is not
        page.on(
            "console",
            lambda m: (
                troubles.append(m.text) if m.type == "error" and "Failed to load resource" not in m.text else None
            ),
        )
        page.on(
            "request", lambda r: troubles.append(r.url) if not r.url.startswith((house, "data:", "blob:")) else None
        )
        page.goto(path)
        return page

    yield opened
    for context in contexts:
        context.close()
    assert troubles == []


def empty_hands(context: BrowserContext) -> None:
    """The recipe in hand and the plan are the household's: what another journey left is put away first."""
    context.request.get("/")
    token = next(c["value"] for c in context.cookies() if c["name"] == "csrftoken")
    version = context.request.get("/api/tonight").json()["version"]
    plan = {"dishes": [], "serve_at": datetime.now(UTC).isoformat()}
    for path, data in (("draft", {"text": ""}), ("tonight", {"version": version, "plan": plan})):
        answer = context.request.put(f"/api/{path}", data=data, headers={"X-CSRFToken": token})
        assert answer.ok, answer.text()


def in_the_morning(page: Page) -> None:
    """It is ten o'clock on the page's device: dinner at seven can be made, at whatever hour the tests run."""
    page.clock.set_fixed_time(datetime.now().replace(hour=10, minute=0, second=0, microsecond=0))


def check_axe(page: Page) -> None:
    """WCAG 2.2 AA by axe, in the state the page is in. The policy forbids inline scripts, so axe comes in by evaluation."""
    page.evaluate(AXE.read_text(encoding="utf-8"))
    found = page.evaluate(
        "() => axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})"
    )
    assert [(v["id"], [n["target"] for n in v["nodes"]][:4]) for v in found["violations"]] == []


def check_width(page: Page) -> None:
    """No sideways scroll."""
    assert page.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
