"""One line broken at a time, in a copy, and the tests that should notice: what survives is printed. `make mutants`.

    .venv/bin/python scripts/mutants.py [how many a room] [seed=N] [room …]

A mutant turns a comparison, a sign, a number, an `and`, a `not` or a default; or takes a household out of a query. Which lines are broken is the same in every run
with the same seed, so that two runs can be compared; another seed breaks lines no test was written against. A room's tests stop at the first that fails.
"""

from __future__ import annotations

import os
import random
import re
import shutil
import subprocess
import sys
import tempfile
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
# what holds a shift by its text, and reading by its facts
_TEXTS = [
    "tests/core/test_as_it_comes_out.py",
    "tests/core/test_half_boiled_and_by_a_sign.py",
    "tests/core/test_shifting.py",
    "tests/core/test_as_recorded.py",
    "tests/core/test_small_parts.py",
    "tests/core/test_filled_and_left_over.py",
    "tests/core/test_broth_and_raw.py",
]
_READ = [
    "tests/core/test_corpus.py",
    "tests/core/test_told_in_words.py",
    "tests/core/test_reading.py",
    "tests/core/test_strangers.py",
    "tests/core/test_whose_water.py",
    "tests/core/test_many_ways_of_saying.py",
]
# a room: its files, and the tests that hold it
ROOMS = {
    "acts": (["mealshift/planning/acts.py", "mealshift/planning/tasks.py", "mealshift/cooking/script.py", "mealshift/shifting/as_it_is.py"], ["tests/core/test_work_of_an_evening.py", "tests/core/test_numbers_agree.py", "tests/core/test_cooking.py", "tests/core/test_planning.py", "tests/core/test_not_hurt.py", "tests/core/test_as_recorded.py"]),
    "schedule": (["mealshift/planning/schedule.py", "mealshift/planning/dinner.py"], ["tests/core/test_work_of_an_evening.py", "tests/core/test_planning.py"]),
    "stove": (["mealshift/cooking/fold.py", "mealshift/cooking/report.py", "mealshift/cooking/took.py"], ["tests/core/test_small_parts.py", "tests/core/test_numbers_agree.py", "tests/core/test_cooking.py", "tests/core/test_not_hurt.py"]),
    "beside": (["mealshift/shifting/beside.py"], ["tests/core/test_small_parts.py", "tests/core/test_work_of_an_evening.py", "tests/core/test_other_ways.py", "tests/core/test_around_the_pot.py", "tests/core/test_beside.py", "tests/core/test_not_hurt.py", "tests/core/test_as_recorded.py"]),
    "lines": (["mealshift/shifting/lines.py", "mealshift/shifting/wording.py"], [*_TEXTS, "tests/core/test_whose_measure.py", "tests/core/test_manner.py"]),
    "rewriting": (["mealshift/shifting/rewrite.py", "mealshift/shifting/target.py", "mealshift/shifting/cookings.py", "mealshift/shifting/backwards.py"], [*_TEXTS, "tests/core/test_other_ways.py", "tests/core/test_another_vessel.py"]),
    "placing": (["mealshift/reading/pours.py", "mealshift/reading/placing.py", "mealshift/reading/told_by.py", "mealshift/reading/things.py"], [*_TEXTS, *_READ]),
    "laying": (["mealshift/reading/structure.py", "mealshift/reading/clauses.py", "mealshift/reading/own_measures.py"], [*_TEXTS, *_READ]),
    "pot": (["mealshift/pot/account.py"], ["tests/core/test_numbers_agree.py", "tests/core/test_pot_laws.py", "tests/core/test_usual.py", "tests/core/test_ways.py", "tests/core/test_simulation.py"]),
    "scope": (["mealshift_server/households/scope.py", "mealshift_server/households/queries.py", "mealshift_server/households/actions.py"], ["tests/server/test_actions.py", "tests/server/test_every_door.py", "tests/server/test_home.py", "tests/server/test_nothing_lost.py"]),
    "backup": (["mealshift_server/backup/saving.py", "mealshift_server/backup/restoring.py"], ["tests/server/test_home.py"]),
    "larder": (["mealshift_server/larder/actions.py", "mealshift_server/larder/queries.py", "mealshift_server/notebook/actions.py", "mealshift_server/notebook/queries.py", "mealshift_server/week/actions.py", "mealshift_server/week/queries.py", "mealshift_server/kitchen/actions.py", "mealshift_server/kitchen/queries.py"], ["tests/server/test_actions.py", "tests/server/test_home.py", "tests/server/test_stove.py"]),
    "told": (["mealshift/reading/told_minutes.py", "mealshift/reading/settle.py"], ["tests/core/test_told_minutes.py", "tests/core/test_settle.py", *_READ, "tests/core/test_as_recorded.py"]),
    # of the page: what is asked of the server and what is told it, the stove's state, the plan, the screens that change things
    "asked": (["web/src/api/client.ts", "web/src/api/subjects.ts", "web/src/ui/gone.ts"], ["src/api", "src/ui", "src/screens/larder"]),
    "queue": (["web/src/screens/stove/sync.ts", "web/src/screens/stove/fold.ts", "web/src/screens/stove/store.ts"], ["src/screens/stove"]),
    "screens": (["web/src/screens/plan/tonight.ts", "web/src/screens/plan/Plan.tsx", "web/src/screens/larder/Larder.tsx", "web/src/screens/kitchen/BoilOff.tsx", "web/src/screens/stove/Sheets.tsx"],
                ["src/screens/plan", "src/screens/larder", "src/screens/kitchen", "src/screens/stove"]),
}  # fmt: skip
SWAPS = (
    (r"(?<![<>=!])<=(?!=)", "<"), (r"(?<![<>=!])>=(?!=)", ">"), (r" < ", " <= "), (r" > ", " >= "), (r" == ", " != "), (r" is None\b", " is not None"),
    (r" is not None\b", " is None"), (r"\band\b", "or"), (r"\bor\b", "and"), (r"\bnot (?!in\b|None\b)", ""), (r" \+ ", " - "), (r" - ", " + "), (r" \* ", " / "),
    (r"\bmax\(", "min("), (r"\bmin\(", "max("), (r"(?<!strict=)\bTrue\b", "False"), (r"(?<!strict=)\bFalse\b", "True"), (r"\bany\(", "all("), (r"(?<![\w.])(\d+)(?![\w.])", None),
    (r"household=(?:self\.)?household, ?", ""),
)  # fmt: skip
# of a TypeScript line: what it compares, joins, counts and negates
WEB_SWAPS = (
    (r"(?<![<>=!])<=(?!=)", "<"), (r"(?<![<>=!])>=(?!=)", ">"), (r" < ", " <= "), (r" > ", " >= "), (r" === ", " !== "), (r" !== ", " === "), (r" && ", " || "), (r" \|\| ", " && "),
    (r" \?\? ", " && "), (r"!(?=[a-z(])(?!==)", ""), (r" \+ ", " - "), (r" - ", " + "), (r"\btrue\b", "false"), (r"\bfalse\b", "true"), (r"(?<![\w.#-])(\d+)(?![\w.%-])", None),
)  # fmt: skip
_NO_CODE = re.compile(
    r"^\s*(?:#|//|/?\*|export (?:interface|type) |\"\"\"|'''|from |import |@|class |def |async def |assert |raise |\))|re\.compile|\"\"\""
)


# how a line of a drawing runs or a box is set, and what only the compiler of types sees: looked at, not tested
_DRAWN = re.compile(
    r"^\s*(?:<(?:path|rect|text|circle|line|g|svg|i)\b|(?:[dxy]|[xy][12]|c[xy]|r|rx|width|height|transform|viewBox|className|class|"
    r"style|fontSize|strokeWidth|strokeDasharray|opacity)=|(?:export )?type )"
)


# how many letters back one looks, how many hits are looked at: one more is the same
FAR = 6
_SO_FAR = re.compile(r"\[[^\[\]]*:-?$|\[-$|\[[^\[\]]*:[^\[\]]* [+-] $|\[max\(\d+, [^\[\]]* - $|\.back\($")
# where a search begins, and what stands for nowhere: one more finds the same
_NOWHERE = re.compile(r"\.r?find\([^()]*, $|\belse -$|(?:\[|, )max\($")
# a limit that is reached or nearly reached is a choice: what is compared with one is turned round
_LIMIT = r"(?:[A-Z][A-Z_0-9]+\b|[\d.]+\b)"
_BEFORE_LIMIT, _BEHIND_LIMIT = re.compile(rf"\s*{_LIMIT}"), re.compile(rf"(?<![\w.]){_LIMIT}\s*$")
_OPPOSITE = {"<=": ">", ">=": "<", "<": ">=", ">": "<="}
_NAMED_LIMIT = re.compile(r"\s*[A-Z][A-Z_]+(?:, [A-Z_]+)* = ")


def _place(file: str) -> str:
    return file if file.startswith("web/") else f"src/{file}"


@dataclass(frozen=True)
class Mutant:
    file: str
    line: int
    was: str
    now: str


def mutants_of(copy: Path, file: str, rng: random.Random, most: int) -> list[Mutant]:
    web = file.startswith("web/")
    lines = (copy / _place(file)).read_text(encoding="utf-8").splitlines()
    found, inside = [], False
    for n, line in enumerate(lines):
        if line.count('"""') == 1:
            inside = not inside
        if inside or _NO_CODE.search(line) or (web and _DRAWN.search(line)):
            continue
        # what stands in quotes is words
        bare = re.sub(r"\"[^\"]*\"|'[^']*'", lambda m: " " * len(m[0]), line.split("  # ")[0])
        for pattern, new in WEB_SWAPS if web else SWAPS:
            for m in re.finditer(pattern, bare):
                # a limit by one is a choice, by twice as much it is another; a token's length is none at all
                more = 0 if new is not None else 2 * int(m[1]) + 1 if _NAMED_LIMIT.match(line) else int(m[1]) + 1
                if new is None and (
                    "token_" in line
                    or int(m[1]) >= FAR
                    and _SO_FAR.search(line[: m.start()])
                    or _NOWHERE.search(line[: m.start()])
                ):
                    continue
                put = str(more) if new is None else new
                sign = m[0].strip()
                if sign in _OPPOSITE and (
                    _BEFORE_LIMIT.match(bare, m.end()) or _BEHIND_LIMIT.search(bare[: m.start()])
                ):
                    put = m[0].replace(sign, _OPPOSITE[sign])
                found.append(Mutant(file, n, line, line[: m.start()] + put + line[m.end() :]))
    return rng.sample(found, min(most, len(found)))


def survives(copy: Path, mutant: Mutant, tests: list[str]) -> bool | None:
    """None: the mutant does not even compile, and says nothing."""
    target = copy / _place(mutant.file)
    web = mutant.file.startswith("web/")
    whole = target.read_text(encoding="utf-8")
    lines = whole.splitlines()
    lines[mutant.line] = mutant.now
    text = "\n".join(lines) + "\n"
    try:
        if not web:
            compile(text, mutant.file, "exec")
    except SyntaxError:
        return None
    target.write_text(text, encoding="utf-8")
    try:
        env = {**os.environ, "PYTHONPATH": str(copy / "src"), "PYTHONDONTWRITEBYTECODE": "1"}
        suite = (
            ["npx", "vitest", "run", "--bail", "1"]
            if web
            else [sys.executable, "-m", "pytest", "-q", "-x", "-p", "no:cacheprovider"]
        )
        done = subprocess.run(
            [*suite, *tests], cwd=copy / "web" if web else copy, env=env, capture_output=True, timeout=400, check=False
        )
        return done.returncode == 0
    except subprocess.TimeoutExpired:
        return False
    finally:
        target.write_text(whole, encoding="utf-8")


def main(most: int, seed: str, rooms: list[str]) -> int:
    alive = tried = 0
    with tempfile.TemporaryDirectory() as folder:
        copy = Path(folder)
        for part in (
            "src",
            "tests",
            "demo",
            "scripts",
            "corpus",
            "docs",
            "web/dist",
            "web/src",
            "web/package.json",
            "web/tsconfig.json",
            "web/vite.config.ts",
            "manage.py",
            "pyproject.toml",
            "README.md",
            "Makefile",
        ):
            source = ROOT / part
            if source.is_dir():
                shutil.copytree(source, copy / part)
            elif source.exists():
                (copy / part).parent.mkdir(parents=True, exist_ok=True)
                shutil.copy(source, copy / part)
        os.symlink(ROOT / "web/node_modules", copy / "web/node_modules")
        for room in rooms or list(ROOMS):
            files, tests = ROOMS[room]
            rng = random.Random(f"{room}-{seed}")
            here = [m for file in files for m in mutants_of(copy, file, rng, -(-most // len(files)))]
            lived = []
            for mutant in here:
                got = survives(copy, mutant, tests)
                if got is not None:
                    tried += 1
                    lived += [mutant] if got else []
            alive += len(lived)
            print(f"{room}: {len(lived)} of {len(here)} survive", flush=True)
            for m in lived:
                print(f"  {m.file}:{m.line + 1}\n    - {m.was.strip()}\n    + {m.now.strip()}", flush=True)
    print(f"{alive} of {tried} survive: {alive / max(1, tried):.0%}")
    return 0


if __name__ == "__main__":
    count = int(sys.argv[1]) if len(sys.argv) > 1 and sys.argv[1].isdigit() else 8
    seeds = [a.removeprefix("seed=") for a in sys.argv[1:] if a.startswith("seed=")]
    raise SystemExit(main(count, (seeds or ["1"])[-1], [a for a in sys.argv[1:] if a in ROOMS]))
