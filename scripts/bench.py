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
# a long recipe: sixty lines, forty of them ingredients
SIXTY = (
    "A long dish\nServes 6\n\nIngredients\n300 g basmati rice\n600 ml water\n"
    + "".join(f"{n} tbsp chopped herb {n}\n" for n in range(1, 37))
    + "\nMethod\n"
    + "".join(
        f"{n}. Stir in the herb and cook for {n} minutes, then cover and simmer for 4 minutes.\n" for n in range(1, 18)
    )
)
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


def medians(works: dict[str, Callable[[], object]], rounds: int) -> dict[str, float]:
    """Seconds of each, by rounds in which each is done once."""
    for work in works.values():
        for _ in range(6):
            work()
    taken: dict[str, list[float]] = {name: [] for name in works}
    for _ in range(rounds):
        for name, work in works.items():
            taken[name].append(timed(work))
    return {name: statistics.median(times) for name, times in taken.items()}


def main() -> None:
    from mealshift import comparing, pipeline
    from mealshift.pot import Kitchen
    from mealshift.shifting import Choice

    choice = Choice("foxtail-millet", soak_min=30.0, kitchen=Kitchen(pot_cm=22), said_unit="measure")
    recipe = pipeline.read(TEXT)
    weighed = len(comparing.candidates(recipe, Kitchen()))
    with tempfile.TemporaryDirectory() as data:
        house = House(data)
        try:
            body = {"text": TEXT, "corrections": [], "choice": CHOICE}
            m = medians(
                {
                    "core": lambda: pipeline.whole_way(TEXT, choice),
                    "read": lambda: pipeline.read(TEXT),
                    "sixty": lambda: pipeline.read(SIXTY),
                    "one": lambda: pipeline.shift(recipe, choice),
                    "rank": lambda: comparing.candidates(recipe, Kitchen()),
                    "ranking": lambda: comparing.report(pipeline.read(TEXT), Kitchen()),
                    "empty": lambda: house.ask("GET", "/api/empty"),
                    "shift": lambda: house.ask("POST", "/api/shift", body),
                    "compare": lambda: house.ask("POST", "/api/compare", {"text": TEXT, "corrections": []}),
                },
                ROUNDS,
            )
        finally:
            house.server.terminate()
    ms = {name: f"{seconds * 1000:7.2f} ms" for name, seconds in m.items()}
    print(f"an empty signed-in request       {ms['empty']}")
    print(f"the core's shift, read and all   {ms['core']}   {1 / m['core']:6.0f} a second")
    print(
        f"  of it the reading              {ms['read']}   {m['read'] / m['one']:6.2f} times the shift alone ({ms['one'].strip()})"
    )
    print(f"  reading 60 lines               {ms['sixty']}   {m['sixty'] / m['core']:6.2f} times that whole shift")
    print(f"a shift over HTTP                {ms['shift']}   {1 / m['shift']:6.0f} a second")
    print(
        f"  beyond the empty one           {(m['shift'] - m['empty']) / m['core']:7.2f} times the core's (aim: at most 3)"
    )
    print(f"ranking {weighed} candidates           {ms['rank']}   {m['rank'] / m['one']:6.1f} shifts;")
    print(f"  at 300 candidates              {m['rank'] / weighed * 300 / m['one']:7.1f} shifts (aim: at most 30)")
    print(f"the ranking over HTTP            {ms['compare']}")
    print(
        f"  beyond the empty one           {(m['compare'] - m['empty']) / m['ranking']:7.2f} times the core's (aim: at most 2)"
    )


if __name__ == "__main__":
    main()
