"""The server as a process: killed at a bad moment, and started on an older release's data."""

from __future__ import annotations

import json
import os
import signal
import socket
import sqlite3
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime, timedelta
from http.cookiejar import CookieJar
from pathlib import Path
from typing import Any

import pytest

ROOT = Path(__file__).parents[2]
RELEASES = sorted((Path(__file__).parent / "releases").glob("*.sql"))


class Browser:
    """A cookie jar and JSON: as much of a browser as these tests need."""

    def __init__(self, address: str) -> None:
        self.address, self.jar = address, CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.jar))

    def ask(self, path: str, **data: Any) -> Any:
        token = next((c.value for c in self.jar if c.name == "csrftoken"), "") or ""
        request = urllib.request.Request(
            f"{self.address}{path}",
            json.dumps(data).encode() if data else None,  # noqa: S310 - our own address
            {"content-type": "application/json", "X-CSRFToken": token},
        )
        body = self.opener.open(request, timeout=30).read()
        return json.loads(body) if path.startswith("/api/") else body


@contextmanager
def serving(data: Path) -> Iterator[tuple[Browser, subprocess.Popen[bytes]]]:
    """`manage.py serve` with the demo on this data, until the test is done with it or has killed it."""
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        port = s.getsockname()[1]
    env = {**os.environ, "MEALSHIFT_DATA": str(data), "MEALSHIFT_DEMO": "1"}
    server = subprocess.Popen(
        [sys.executable, "manage.py", "serve", "--port", str(port)],
        cwd=ROOT,
        env=env,
        start_new_session=True,
        stdout=subprocess.DEVNULL,
    )
    browser = Browser(f"http://127.0.0.1:{port}")
    try:
        for _ in range(200):
            try:
                browser.ask("/")
                break
            except OSError:
                time.sleep(0.1)
        yield browser, server
    finally:
        if server.poll() is None:
            os.killpg(server.pid, signal.SIGTERM)
        server.wait(10)


@pytest.mark.skipif(not (ROOT / "web" / "dist" / "index.html").exists(), reason="the front end is not built")
def test_a_cooking_outlives_a_killed_server(tmp_path) -> None:
    with serving(tmp_path) as (browser, server):
        shift = browser.ask("/api/shifts")[-1]["id"]
        serve_at = (datetime.now(UTC) + timedelta(hours=2)).isoformat()
        cooking = browser.ask("/api/cookings", client_id="kill-me-00", dishes=[{"key": str(shift)}], serve_at=serve_at)[
            "id"
        ]
        first = browser.ask(f"/api/cookings/{cooking}")["state"]["steps"][0]["id"]
        sent = [
            {"id": "touch-0001", "kind": "done", "data": {"step": first}},
            {"id": "touch-0002", "kind": "note", "data": {"text": "before"}},
        ]
        assert browser.ask(f"/api/cookings/{cooking}/events", events=sent)["new"] == 2
        before = browser.ask(f"/api/cookings/{cooking}")["state"]
        copied = tmp_path / "copy.sqlite3"
        env = {**os.environ, "MEALSHIFT_DATA": str(tmp_path)}
        subprocess.run(
            [sys.executable, "manage.py", "copy_database", str(copied)],
            cwd=ROOT,
            env=env,
            check=True,
            stdout=subprocess.DEVNULL,
        )
        with sqlite3.connect(copied) as db:
            assert db.execute("SELECT count(*) FROM plans_event").fetchone() == (2,)
        db.close()
        os.killpg(server.pid, signal.SIGKILL)
        server.wait(10)
    with serving(tmp_path) as (browser, _):
        after = browser.ask(f"/api/cookings/{cooking}")["state"]
        moving = {"minute", "said", "serve"}
        assert {k: v for k, v in after.items() if k not in moving} | {"steps": 0} == {
            k: v for k, v in before.items() if k not in moving
        } | {"steps": 0}
        assert [(s["id"], s["status"], s["start"], s["end"]) for s in after["steps"]] == [
            (s["id"], s["status"], s["start"], s["end"]) for s in before["steps"]
        ]
        # the page sends again what it had no answer for
        assert browser.ask(f"/api/cookings/{cooking}/events", events=sent)["new"] == 0


@pytest.mark.parametrize("release", RELEASES, ids=lambda f: f.stem)
@pytest.mark.skipif(not (ROOT / "web" / "dist" / "index.html").exists(), reason="the front end is not built")
def test_the_data_of_every_release_opens(tmp_path, release) -> None:
    with sqlite3.connect(tmp_path / "mealshift.sqlite3") as old:
        old.executescript(release.read_text(encoding="utf-8"))
    old.close()
    with serving(tmp_path) as (browser, _):
        [kept] = browser.ask("/api/shifts")
        shown = browser.ask(f"/api/shifts/{kept['id']}")
        water = shown["result"]["pots"][0]["water"]
        # lists say it as a jug shows it, since shifts keep that too
        assert (water.get("jug_ml") or water["pour_ml"]) == kept["pour_ml"] > 0
        assert browser.ask("/api/recipes")[0]["shifts"] == 1
        for path in ("notebook", "lessons", "larder", "left", "week", "members", "training"):
            browser.ask(f"/api/{path}")
        serve_at = (datetime.now(UTC) + timedelta(hours=3)).isoformat()
        planned = browser.ask(
            "/api/plan", dishes=[{"key": str(kept["id"])}], serve_at=serve_at, now=datetime.now(UTC).isoformat()
        )
        assert planned["tasks"] and not planned["problems"]
        assert browser.ask("/api/kitchen")["said"] is (
            'INSERT INTO "kitchen_kitchen"' in release.read_text(encoding="utf-8")
        )
