"""`make bench`: what things cost, as ratios within one run.

A shift over HTTP is compared with the core's shift alone, after an empty signed-in request of the same server has been
taken off. Rounds of the three are interleaved, so that a machine that slows down slows all of them.
"""

from __future__ import annotations

import http.client
import json
import os
import re
import socket
import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

ROOT = Path(__file__).parents[1]
ROUNDS = 60
TEXT = (ROOT / "demo" / "recipes" / "01-tomato-pilaf.txt").read_text(encoding="utf-8")
CHOICE = {"to": "foxtail-millet", "soak_min": 30, "pot_cm": 22}


class House:
    """A server of our own on loopback, and one kept-alive, signed-in connection to it."""

    def __init__(self, data: str) -> None:
        with socket.socket() as s:
            s.bind(("127.0.0.1", 0))
            self.port = s.getsockname()[1]
        env = {**os.environ, "MEALSHIFT_DATA": data, "MEALSHIFT_DEMO": "1"}
        command = [sys.executable, "manage.py", "serve", "--port", str(self.port)]
        self.server = subprocess.Popen(command, cwd=ROOT, env=env, stdout=subprocess.DEVNULL)
        self.link = http.client.HTTPConnection("127.0.0.1", self.port, timeout=10)
        self.cookies: dict[str, str] = {}
        for _ in range(200):
            try:
                self.ask("GET", "/")
                break
            except OSError:
                self.link.close()
                time.sleep(0.1)
        self.ask("GET", "/api/session")

    def ask(self, method: str, path: str, body: object = None) -> bytes:
        headers = {"Cookie": "; ".join(f"{k}={v}" for k, v in self.cookies.items()), "Connection": "keep-alive"}
        if body is not None:
            headers |= {"Content-Type": "application/json", "X-CSRFToken": self.cookies.get("csrftoken", "")}
        self.link.request(method, path, None if body is None else json.dumps(body), headers)
        answer = self.link.getresponse()
        for name, value in answer.getheaders():
            if name.lower() == "set-cookie" and (m := re.match(r"([^=]+)=([^;]*)", value)):
                self.cookies[m[1]] = m[2]
        content = answer.read()
        if answer.status >= 400:
            raise RuntimeError(f"{method} {path}: {answer.status} {content[:200]!r}")
        return content


def timed(work: Callable[[], object]) -> float:
    start = time.perf_counter()
    work()
    return time.perf_counter() - start


def main() -> None:
    from mealshift import pipeline
    from mealshift.pot import Kitchen
    from mealshift.shifting import Choice

    choice = Choice("foxtail-millet", soak_min=30.0, kitchen=Kitchen(pot_cm=22), said_unit="measure")
    with tempfile.TemporaryDirectory() as data:
        house = House(data)
        try:
            body = {"text": TEXT, "corrections": [], "choice": CHOICE}
            works: dict[str, Callable[[], object]] = {
                "core": lambda: pipeline.whole_way(TEXT, choice),
                "empty": lambda: house.ask("GET", "/api/empty"),
                "shift": lambda: house.ask("POST", "/api/shift", body),
            }
            for work in works.values():
                for _ in range(8):
                    work()
            taken: dict[str, list[float]] = {name: [] for name in works}
            for _ in range(ROUNDS):
                for name, work in works.items():
                    taken[name].append(timed(work))
        finally:
            house.server.terminate()
    middle = {name: statistics.median(times) for name, times in taken.items()}
    beyond = middle["shift"] - middle["empty"]
    print(
        f"the core's shift alone           {middle['core'] * 1000:7.2f} ms   {1 / middle['core']:6.0f} shifts a second"
    )
    print(f"an empty signed-in request       {middle['empty'] * 1000:7.2f} ms")
    print(
        f"a shift over HTTP                {middle['shift'] * 1000:7.2f} ms   {1 / middle['shift']:6.0f} shifts a second"
    )
    print(f"beyond the empty one, as a multiple of the core: {beyond / middle['core']:.2f} (aim: at most 3)")


if __name__ == "__main__":
    main()
