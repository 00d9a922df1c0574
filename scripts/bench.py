"""`make bench`: what things cost, as ratios within one run.

A shift over HTTP is compared with the core's shift alone, after an empty signed-in request of the same server has been
taken off. Rounds of the three are interleaved, so that a machine that slows down slows all of them.
"""

from __future__ import annotations

import gzip
import http.client
import itertools
import json
import os
import re
import socket
import sqlite3
import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from mealshift.recipe import Recipe
    from mealshift.shifting import Choice

ROOT = Path(__file__).parents[1]
ROUNDS = 60
TEXT = (ROOT / "demo" / "recipes" / "01-tomato-pilaf.txt").read_text(encoding="utf-8")


def sixty(nth: int) -> str:
    """A long recipe of sixty lines, thirty-six of them ingredients: each time in other words, for a text that was read before costs less."""
    word = "".join(chr(97 + (nth * 7 + k * k) % 26) for k in range(6))
    return (
        f"A long dish of {word}\nServes 6\n\nIngredients\n300 g basmati rice\n600 ml water\n"
        + "".join(f"{n} tbsp chopped {word} {n}\n" for n in range(1, 37))
        + "\nMethod\n"
        + "".join(
            f"{n}. Stir in the {word} and cook for {n} minutes, then cover and simmer for 4 minutes.\n"
            for n in range(1, 18)
        )
    )


def cooks_own() -> list[str]:
    """The corpus' plain texts of thirty to sixty lines."""
    texts = [f.read_text(encoding="utf-8") for f in sorted((ROOT / "corpus").glob("*/*.txt"))]
    return [t for t in texts if 30 <= sum(bool(ln.strip()) for ln in t.split("\n")) <= 60]


def reading_long() -> float:
    """Seconds for sixty lines of cooks' own long texts, each read once: the least of three passes, each by a program of its own."""
    program = (
        "import sys, time; sys.path.insert(0, 'scripts'); import bench; from mealshift import pipeline\n"
        "for n in range(8): pipeline.read(bench.sixty(n))\n"
        "texts = bench.cooks_own()\n"
        "for t in texts[::3]: pipeline.read(t)\n"
        "rest = [t for n, t in enumerate(texts) if n % 3]; lines = sum(bool(ln.strip()) for t in rest for ln in t.split('\\n'))\n"
        "at = time.process_time()\n"
        "for t in rest: pipeline.read(t)\n"
        "print((time.process_time() - at) / lines * 60)\n"
    )
    made = [
        subprocess.run([sys.executable, "-c", program], cwd=ROOT, check=True, capture_output=True, text=True).stdout
        for _ in range(3)
    ]
    return min(map(float, made))


CHOICE = {"to": "foxtail-millet", "soak_min": 30, "pot_cm": 22}
# what that shift cost in 0.6.0, before a text was rewritten from its Process, in yardsticks: of a recipe shifted before, and of one just read
SHIFT_WAS, FIRST_WAS = 2.47, 2.75


class House:
    """A server of our own on loopback, and one kept-alive, signed-in connection to it."""

    def __init__(self, data: str) -> None:
        with socket.socket() as s:
            s.bind(("127.0.0.1", 0))
            self.port = s.getsockname()[1]
        env = {**os.environ, "MEALSHIFT_DATA": data, "MEALSHIFT_DEMO": "1"}
        command = [sys.executable, "manage.py", "serve", "--port", str(self.port)]
        self.server = subprocess.Popen(command, cwd=ROOT, env=env, stdout=subprocess.DEVNULL, start_new_session=True)
        self.link = http.client.HTTPConnection("127.0.0.1", self.port, timeout=30)
        self.cookies: dict[str, str] = {}
        for _ in range(200):
            try:
                self.ask("GET", "/")
                break
            except OSError:
                self.link.close()
                time.sleep(0.1)
        self.ask("GET", "/api/session")

    def another(self, timeout: float = 30) -> House:
        """A second connection of the same cook."""
        other = object.__new__(House)
        other.port, other.server, other.cookies = self.port, self.server, dict(self.cookies)
        other.link = http.client.HTTPConnection("127.0.0.1", self.port, timeout=timeout)
        return other

    def ask(self, method: str, path: str, body: object = None) -> bytes:
        headers = {"Cookie": "; ".join(f"{k}={v}" for k, v in self.cookies.items()), "Connection": "keep-alive"}
        if body is not None:
            headers |= {"Content-Type": "application/json", "X-CSRFToken": self.cookies.get("csrftoken", "")}
        for again in (False, True):
            try:
                self.link.request(method, path, None if body is None else json.dumps(body), headers)
                answer = self.link.getresponse()
                break
            except http.client.RemoteDisconnected:
                # a connection that stood idle through a slower measure was closed by the server
                self.link.close()
                if again:
                    raise
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


def yardstick() -> int:
    """Plain work that no change of ours makes quicker: costs of two versions are compared by it, whatever the machine's pace."""
    return sum(len(str(n).split("1")) for n in range(2000))


def by_the_yardstick(recipe: Recipe, choice: Choice) -> tuple[float, float, float]:
    """In yardsticks: a shift alone, of a recipe that was shifted before, and of one that was just read; and ranking 300 candidates. The least of many tries of
    each, in turn."""
    from mealshift import comparing, pipeline
    from mealshift.pot import Kitchen
    from mealshift.quick import found_in
    from mealshift.shifting import signs

    weighed = len(comparing.candidates(recipe, Kitchen()))
    known, first, plain, ranked = [], [], [], []
    for _ in range(ROUNDS):
        for seen in (found_in, signs.in_step, signs.asides, signs.same_level):
            seen.cache_clear()
        fresh = pipeline.read(TEXT)
        first.append(timed(lambda fresh=fresh: pipeline.shift(fresh, choice)))
        for _ in range(8):
            known.append(timed(lambda: pipeline.shift(recipe, choice)))
            plain.append(timed(yardstick))
        ranked.append(timed(lambda: comparing.candidates(recipe, Kitchen())) / weighed * 300)
    return min(known) / min(plain), min(first) / min(plain), min(ranked) / min(plain)


def dinners() -> dict[int, tuple[float, int, float]]:
    """Dinners of 3, 6 and 10 dishes on four burners, the shifts made beforehand: (CPU seconds, dishes kept, how far the evening may be from the
    best as a share of its cost)."""
    from mealshift.planning import make_plan, tasks_of
    from mealshift.planning import schedule as planning
    from mealshift.reading import read
    from mealshift.shifting import Choice, shift

    grains = ["foxtail-millet", "quinoa", "barley-pearl", "bulgur-coarse"]
    made = []
    for n, file in enumerate(sorted((ROOT / "demo" / "recipes").iterdir())):
        recipe = read(file.read_text(encoding="utf-8"))
        made.append(tasks_of(shift(recipe, Choice(grains[n % len(grains)])), str(n)))
    noon, seven = datetime(2026, 11, 25, 8), datetime(2026, 11, 25, 19)
    gaps: list[float] = []
    plain = planning._Model.solve

    def watched(model: planning._Model, effort: float) -> dict[str, int] | None:
        found = plain(model, effort)
        gaps.append(model.gap)
        return found

    planning._Model.solve = watched  # type: ignore[method-assign]
    out = {}
    for n in (3, 6, 10):
        dishes = {str(i): t for i, t in enumerate(made[:n])}
        plan = make_plan(dishes, seven, noon, 4)
        taken = []
        for _ in range(5):
            before = time.process_time()
            make_plan(dishes, seven, noon, 4)
            taken.append(time.process_time() - before)
        out[n] = (statistics.median(taken), len({x.task.dish for x in plan.tasks}), gaps[-1])
    planning._Model.solve = plain  # type: ignore[method-assign]
    print(f"tasks of 3, 6, 10 dishes         {', '.join(str(sum(map(len, made[:n]))) for n in (3, 6, 10))}")
    return out


def in_four(work: Callable[[int], object], times: int) -> float:
    """Seconds a piece when four writers do it at once."""
    with ThreadPoolExecutor(4) as pool:
        return timed(lambda: list(pool.map(work, range(4)))) / (4 * times)


def appending(house: House, data: str) -> tuple[float, float]:
    """Seconds per event appended by four writers over HTTP, and per bare insert by four writers into the same kind of file."""
    shifts = json.loads(house.ask("GET", "/api/shifts"))
    serve_at = (datetime.now(UTC) + timedelta(hours=3)).isoformat()
    asked = {"client_id": f"bench-{time.time()}", "dishes": [{"key": str(shifts[-1]["id"])}], "serve_at": serve_at}
    cooking = json.loads(house.ask("POST", "/api/cookings", asked))["id"]
    each = 50

    def over_http(writer: int) -> None:
        mine = house.another()
        for n in range(each):
            event = {"id": f"bench-{writer}-{n}", "kind": "note", "data": {"text": "x"}}
            mine.ask("POST", f"/api/cookings/{cooking}/events", {"events": [event]})

    def bare(writer: int) -> None:
        db = sqlite3.connect(Path(data) / "bare.sqlite3", timeout=20, isolation_level=None)
        for n in range(each):
            db.execute("BEGIN IMMEDIATE")
            db.execute("INSERT INTO event VALUES (?, ?, 'note', 0.0, '{}')", (writer, n))
            db.execute("COMMIT")
        db.close()

    db = sqlite3.connect(Path(data) / "bare.sqlite3")
    db.executescript(
        "PRAGMA journal_mode=WAL; CREATE TABLE event (writer, n, kind, minute REAL, data, UNIQUE (writer, n));"
    )
    db.close()
    http_s, bare_s = in_four(over_http, each), in_four(bare, each)
    # the first connection has been idle too long for the server
    got = len(json.loads(house.another().ask("GET", f"/api/cookings/{cooking}"))["state"]["notes"])
    if got != 4 * each:
        raise RuntimeError(f"{got} of {4 * each} events came through")
    return http_s, bare_s


def notebooks(house: House) -> dict[int, tuple[float, float]]:
    """Seconds to list the first page of a notebook, and to learn from it, with 50 and with 5,000 entries."""
    grains = ["foxtail-millet", "quinoa", "barley-pearl", "bulgur-coarse", "rice-brown-long", "little-millet"]
    day = datetime(2026, 11, 1)
    rows = [
        f"{day - timedelta(hours=6 * n):%Y-%m-%d},Pot {n},{grains[n % 6]},,{200 + n % 7 * 40},,{380 + n % 90},,{12 + n % 9},{n % 3 - 1},{n % 2},,,"
        for n in range(5000)
    ]
    head = "date,dish,grain,pot,dry_ml,predicted_ml,poured_ml,predicted_min,taken_min,dry_to_wet,hard_to_mush,word,stars,note"
    out = {}
    for start, size in ((0, 50), (50, 5000)):
        mine = house.another(timeout=120)
        mine.ask("POST", "/api/notebook.csv", {"text": "\n".join([head, *rows[start:size]])})
        m = medians(
            {
                "list": lambda mine=mine: mine.ask("GET", "/api/notebook"),
                "learn": lambda mine=mine: mine.ask("GET", "/api/lessons"),
            },
            7,
        )
        out[size] = (m["list"], m["learn"])
    return out


def first_load(dist: Path, *screens: str) -> int:
    """Bytes of script and styles, each compressed as the server sends it, that stand before anything is touched: the page's own and the first screen's."""
    made = json.loads((dist / ".vite" / "manifest.json").read_text(encoding="utf-8"))
    files: set[str] = set()
    wanted = ["index.html", *screens]
    while wanted:
        part = made[wanted.pop()]
        if part["file"] not in files:
            files |= {part["file"], *part.get("css", [])}
            wanted += part.get("imports", [])
    return sum(len(gzip.compress((dist / f).read_bytes(), 9)) for f in files)


def against_blank() -> tuple[int, int, int]:
    """The first load of who has no account and of who is signed in, and that of a page that says nothing, built now with the same tools."""
    dist = ROOT / "web" / "dist"
    with tempfile.TemporaryDirectory() as out:
        build = [
            "npx",
            "vite",
            "build",
            "-c",
            "blank/vite.config.ts",
            "--outDir",
            out,
            "--emptyOutDir",
            "--logLevel",
            "error",
        ]
        subprocess.run(build, cwd=ROOT / "web", check=True, stderr=subprocess.DEVNULL)
        blank = first_load(Path(out))
    return (
        first_load(dist, "src/screens/SignIn.tsx"),
        first_load(dist, "src/screens/bring/Bring.tsx", "src/ui/Bar.tsx"),
        blank,
    )


def main() -> None:
    from mealshift import comparing, pipeline
    from mealshift.pot import Kitchen
    from mealshift.shifting import Choice

    choice = Choice("foxtail-millet", soak_min=30.0, kitchen=Kitchen(pot_cm=22), said_unit="measure")
    recipe = pipeline.read(TEXT)
    weighed = len(comparing.candidates(recipe, Kitchen()))
    nth = itertools.count()
    with tempfile.TemporaryDirectory() as data:
        house = House(data)
        try:
            body = {"text": TEXT, "corrections": [], "choice": CHOICE}
            m = medians(
                {
                    "core": lambda: pipeline.whole_way(TEXT, choice),
                    "read": lambda: pipeline.read(TEXT),
                    "sixty": lambda: pipeline.read(sixty(next(nth))),
                    "one": lambda: pipeline.shift(recipe, choice),
                    "rank": lambda: comparing.candidates(recipe, Kitchen()),
                    "ranking": lambda: comparing.report(pipeline.read(TEXT), Kitchen()),
                    "empty": lambda: house.ask("GET", "/api/empty"),
                    "shift": lambda: house.ask("POST", "/api/shift", body),
                    "compare": lambda: house.ask("POST", "/api/compare", {"text": TEXT, "corrections": []}),
                },
                ROUNDS,
            )
            append_s, bare_s = appending(house, data)
            empty_s = in_four(lambda _: [x.ask("GET", "/api/empty") for x in [house.another()] for _ in range(50)], 50)
            books = notebooks(house)
        finally:
            house.server.terminate()
    known, first, ranked = by_the_yardstick(recipe, choice)
    ms = {name: f"{seconds * 1000:7.2f} ms" for name, seconds in m.items()}
    print(f"an empty signed-in request       {ms['empty']}")
    print(f"the core's shift, read and all   {ms['core']}   {1 / m['core']:6.0f} a second")
    print(
        f"  of it the reading              {ms['read']}   {m['read'] / m['one']:6.2f} times the shift alone ({ms['one'].strip()})"
    )
    print(f"  reading 60 lines               {ms['sixty']}   {m['sixty'] / m['core']:6.2f} times that whole shift")
    long = reading_long()
    print(
        f"  60 lines of cooks' long texts  {long * 1000:7.2f} ms   {long / m['core']:6.2f} times it (each read once, words of others known)"
    )
    print(
        f"a shift alone                    {known:7.2f} yardsticks, {known / SHIFT_WAS:.2f} times 0.6.0's (aim: at most 1.3);"
    )
    print(f"  of a recipe just read          {first:7.2f} yardsticks, {first / FIRST_WAS:.2f} times 0.6.0's")
    print(f"a shift over HTTP                {ms['shift']}   {1 / m['shift']:6.0f} a second")
    print(
        f"  beyond the empty one           {(m['shift'] - m['empty']) / m['core']:7.2f} times the core's (aim: at most 3)"
    )
    print(f"ranking {weighed} candidates           {ms['rank']}   {m['rank'] / m['one']:6.1f} shifts")
    print(
        f"  300 of them                    {ranked / SHIFT_WAS:7.1f} shifts of 0.6.0 (aim: at most 12), {ranked / known:.1f} of today's"
    )
    print(f"the ranking over HTTP            {ms['compare']}")
    print(
        f"  beyond the empty one           {(m['compare'] - m['empty']) / m['ranking']:7.2f} times the core's (aim: at most 2)"
    )
    (list_few, learn_few), (list_many, learn_many) = books[50], books[5000]
    print(
        f"a notebook's first page          {list_few * 1000:7.2f} ms of 50 entries; of 5,000 {list_many / list_few:.2f} times that (aim: constant)"
    )
    print(
        f"  learning from it               {learn_few * 1000:7.2f} ms; {learn_many / learn_few:.1f} times that (a hundred times the entries, of which the newest 600 count)"
    )
    door, inside, blank = against_blank()
    print(
        f"the first load, gzip            {door / 1000:7.1f} kB   {door / blank:6.2f} times a blank page of the same tools (aim: at most 1.6)"
    )
    print(f"  signed in                     {inside / 1000:7.1f} kB   {inside / blank:6.2f}")
    plans = dinners()
    for n, (cpu, kept, gap) in plans.items():
        print(
            f"planning {n:2} dishes               {cpu * 1000:7.0f} ms of CPU, {kept} kept, within {gap * 100:.0f} % of the best"
        )
    print(f"an event, four writers at once   {append_s * 1000:7.2f} ms each; a bare insert {bare_s * 1000:.2f} ms")
    print(f"  over HTTP, beyond the empty    {(append_s - empty_s) / bare_s:7.1f} bare inserts")


if __name__ == "__main__":
    main()
