"""One line broken at a time and the tests that should notice: what survives is printed. `make mutants`.

    .venv/bin/python scripts/mutants.py [how many a room] [seed=N] [room …]

A mutant turns a comparison, a sign, a number, an `and`, a `not` or a default; or takes a household out of a query. Which lines are broken is the same in every run
with the same seed, so that two runs can be compared; another seed breaks lines no test was written against. A room's tests stop at the first that fails.

A Python room's tests are run once, and which lines each of them runs is noted; then a line is broken in a forked process, which runs only those tests again, the
quickest first: ten times as many in the same time. Of the page, whose tests another program runs, each mutant is a file written anew in a copy.
In each room a line that is put back as it is must survive first: else its tests tell nothing, and that is said.
"""

from __future__ import annotations

import ast
import gc
import os
import random
import re
import shutil
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import lru_cache
from pathlib import Path
from types import CodeType, FunctionType, ModuleType
from typing import Any

import pytest

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
    "tests/core/test_strangers.py::test_the_corpus_is_shifted_as_it_was",
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
    "beside": (["mealshift/shifting/beside.py"], ["tests/core/test_small_parts.py", "tests/core/test_work_of_an_evening.py", "tests/core/test_other_ways.py", "tests/core/test_around_the_pot.py", "tests/core/test_beside.py", "tests/core/test_not_hurt.py", "tests/core/test_as_recorded.py", "tests/core/test_strangers.py::test_the_corpus_is_shifted_as_it_was"]),
    "lines": (["mealshift/shifting/lines.py", "mealshift/shifting/wording.py"], [*_TEXTS, "tests/core/test_whose_measure.py", "tests/core/test_manner.py"]),
    "rewriting": (["mealshift/shifting/rewrite.py", "mealshift/shifting/target.py", "mealshift/shifting/cookings.py", "mealshift/shifting/backwards.py"], [*_TEXTS, "tests/core/test_other_ways.py", "tests/core/test_another_vessel.py"]),
    "placing": (["mealshift/reading/pours.py", "mealshift/reading/placing.py", "mealshift/reading/told_by.py", "mealshift/reading/things.py"], [*_TEXTS, *_READ]),
    "laying": (["mealshift/reading/structure.py", "mealshift/reading/clauses.py", "mealshift/reading/own_measures.py"], [*_TEXTS, *_READ, "tests/core/test_whose_measure.py"]),
    "pot": (["mealshift/pot/account.py"], ["tests/core/test_numbers_agree.py", "tests/core/test_pot_laws.py", "tests/core/test_usual.py", "tests/core/test_ways.py", "tests/core/test_simulation.py", "tests/core/test_as_recorded.py"]),
    "scope": (["mealshift_server/households/scope.py", "mealshift_server/households/queries.py", "mealshift_server/households/actions.py"], ["tests/server/test_actions.py", "tests/server/test_every_door.py", "tests/server/test_home.py", "tests/server/test_nothing_lost.py"]),
    "backup": (["mealshift_server/backup/saving.py", "mealshift_server/backup/restoring.py"], ["tests/server/test_home.py"]),
    "larder": (["mealshift_server/larder/actions.py", "mealshift_server/larder/queries.py", "mealshift_server/notebook/actions.py", "mealshift_server/notebook/queries.py", "mealshift_server/week/actions.py", "mealshift_server/week/queries.py", "mealshift_server/kitchen/actions.py", "mealshift_server/kitchen/queries.py"], ["tests/server/test_actions.py", "tests/server/test_home.py", "tests/server/test_stove.py"]),
    "told": (["mealshift/reading/told_minutes.py", "mealshift/reading/settle.py"], ["tests/core/test_told_minutes.py", "tests/core/test_settle.py", *_READ, "tests/core/test_as_recorded.py", "tests/core/test_strangers.py::test_the_corpus_is_shifted_as_it_was"]),
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


def mutants_of(root: Path, file: str, rng: random.Random, most: int) -> list[Mutant]:
    web = file.startswith("web/")
    lines = (root / _place(file)).read_text(encoding="utf-8").splitlines()
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


# a broken loop may never end: so many times what its tests took, and seconds of the processor besides
LONGER, LONGEST_S = 2, 30
ALIVE, DEAD, NO_CODE = 1, 0, 3


class Breaker:
    """A plugin of pytest that runs the collected tests once, and then breaks one line after the other in forked processes."""

    def __init__(self, mutants: list[Mutant]) -> None:
        self.mutants = mutants
        self.lived: list[Mutant] = []
        self.tried = 0
        self.touched: dict[tuple[str, int], list[int]] = {}

    @pytest.hookimpl(tryfirst=True)
    def pytest_runtestloop(self, session: pytest.Session) -> bool:
        items, took = session.items, []
        if not any(f".{stage}" in _module_of(m.file) for m in self.mutants for stage in STAGES[:2]):
            _read_but_once()
        # what is kept for good is a table, looked up by every test: see _statement
        kept = [x for m in self.mutants[:1] for x in _kept_since(_module_of(m.file)) if not _is_a_table(x)]
        seen: set[tuple[str, int]] = set()
        whole = [was for file in {m.file for m in self.mutants} for was in _noting(file, seen)]
        for n, item in enumerate(items):
            for found in kept:
                found.cache_clear()
            seen.clear()
            began = time.perf_counter()
            # nothing of the whole session's is torn down: it is needed again
            _run(item, items[(n + 1) % len(items)])
            took.append(time.perf_counter() - began)
            for at in seen:
                self.touched.setdefault(at, []).append(n)
        for function, code in whole:
            function.__code__ = code
        if session.testsfailed:
            print("These tests fail before anything is broken.", flush=True)
            return True
        gc.freeze()
        waiting, running = list(self.mutants), dict[int, Mutant]()
        while waiting or running:
            while waiting and len(running) < (os.cpu_count() or 1):
                mutant = waiting.pop(0)
                mine = sorted(self._tests_of(mutant), key=took.__getitem__)
                pid = os.fork()
                if pid == 0:
                    signal.setitimer(signal.ITIMER_PROF, LONGEST_S + LONGER * sum(took[n] for n in mine))
                    os._exit(_broken(mutant, session, [items[n] for n in mine]))
                running[pid] = mutant
            pid, status = os.wait()
            mutant, code = running.pop(pid), os.waitstatus_to_exitcode(status)
            self.tried += code != NO_CODE
            if code == ALIVE:
                self.lived.append(mutant)
        return True

    def _tests_of(self, mutant: Mutant) -> set[int]:
        """The tests that run the statement; all of them where it is run when its module is imported."""
        span = _statement(mutant)
        if span is None:
            return set(range(1 + max((n for ns in self.touched.values() for n in ns), default=-1)))
        return {n for line in span for n in self.touched.get((mutant.file, line), ())}


def _run(item: pytest.Item, following: pytest.Item) -> None:
    item.config.hook.pytest_runtest_protocol(item=item, nextitem=following)


class _Noted(ast.NodeTransformer):
    """Before each statement of a function: that it is run."""

    def visit(self, node: ast.AST) -> ast.AST:
        self.generic_visit(node)
        if isinstance(node, ast.FunctionDef):
            self._in(node)
        return node

    def _in(self, node: ast.AST) -> None:
        for name in ("body", "orelse", "finalbody"):
            block = getattr(node, name, None)
            if isinstance(block, list):
                setattr(node, name, [x for inner in block for x in (_note(inner), inner)])
                for inner in block:
                    # an inner function has been seen to
                    if not isinstance(inner, (ast.FunctionDef, ast.ClassDef)):
                        self._in(inner)
        for part in (*getattr(node, "handlers", ()), *getattr(node, "cases", ())):
            self._in(part)


def _note(statement: ast.stmt) -> ast.stmt:
    call = ast.Call(ast.Name("__noted__", ast.Load()), [ast.Constant(statement.lineno)], [])
    return ast.fix_missing_locations(ast.copy_location(ast.Expr(call), statement))


def _noting(file: str, seen: set[tuple[str, int]]) -> list[tuple[FunctionType, CodeType]]:
    """Lets the module's functions say which of their lines are run; what they were before."""
    place = ROOT / _place(file)
    whole = next(m for m in list(sys.modules.values()) if getattr(m, "__file__", None) == str(place))
    tree = _Noted().visit(ast.parse(place.read_text(encoding="utf-8")))
    was = [(function, function.__code__) for _, function in _functions(whole, whole.__name__)]
    noted = {"__noted__": lambda line: seen.add((file, line))}
    whole.__dict__.update(noted)
    _put_code(whole, compile(tree, str(place), "exec"), **noted)
    return was


def _is_a_table(kept: Any) -> bool:
    return kept.cache_parameters()["maxsize"] is None and not _of_a_test(kept)


def _statement(mutant: Mutant) -> range | None:
    """The lines of the innermost statement in a function around the mutant, of a block its head alone; None outside of functions and in tables."""
    tree = ast.parse((ROOT / _place(mutant.file)).read_text(encoding="utf-8"))
    at = mutant.line + 1
    inside = [n for n in ast.walk(tree) if isinstance(n, ast.FunctionDef) and n.lineno <= at <= (n.end_lineno or 0)]
    if any("cache" in ast.unparse(d) and "lru" not in ast.unparse(d) for f in inside for d in f.decorator_list):
        return None
    found = None
    for node in (x for f in inside for x in ast.walk(f) if isinstance(x, ast.stmt) and x not in inside):
        body = getattr(node, "body", None)
        last = body[0].lineno - 1 if body else node.end_lineno or node.lineno
        span = range(node.lineno, max(node.lineno, last) + 1)
        if at in span and (found is None or len(span) < len(found)):
            found = span
    return found


def _broken(mutant: Mutant, session: pytest.Session, mine: list[pytest.Item]) -> int:
    """In the forked process: do those tests pass with that line?"""
    nowhere = os.open(os.devnull, os.O_WRONLY)
    os.dup2(nowhere, 1)
    os.dup2(nowhere, 2)
    manager = session.config.pluginmanager
    manager.unregister(manager.get_plugin("terminalreporter"))
    try:
        try:
            _put_in(mutant)
        except SyntaxError:
            return NO_CODE
        if mine:
            session._setupstate.teardown_exact(mine[0])
        for item, following in zip(mine, [*mine[1:], mine[-1]], strict=True):
            _run(item, following)
            if session.testsfailed:
                return DEAD
        return ALIVE
    except BaseException:
        return DEAD


def _put_in(mutant: Mutant) -> None:
    """The module's functions with the broken line, in the place of the whole ones; and nothing that was found with those is kept."""
    file = ROOT / _place(mutant.file)
    lines = file.read_text(encoding="utf-8").splitlines()
    lines[mutant.line] = mutant.now
    code = compile("\n".join(lines) + "\n", str(file), "exec")
    whole = next(m for m in list(sys.modules.values()) if getattr(m, "__file__", None) == str(file))
    fresh = _put_code(whole, code)
    for name, value in vars(fresh).items():
        if isinstance(value, (int, float, str, tuple, frozenset, dict, list)) and vars(whole).get(name, value) != value:
            setattr(whole, name, value)
    for kept in _kept_since(whole.__name__):
        kept.cache_clear()
    for recipe in gc.get_objects():
        if type(recipe).__name__ == "Recipe" and hasattr(recipe, "found"):
            recipe.found.clear()


def _put_code(whole: ModuleType, code: CodeType, **given: Any) -> ModuleType:
    """The module's functions as they are in that code; and the module that it makes."""
    fresh = ModuleType(whole.__name__)
    fresh.__dict__.update(__file__=whole.__file__, __package__=whole.__package__, **given)
    sys.modules[whole.__name__] = fresh
    try:
        exec(code, fresh.__dict__)
    finally:
        sys.modules[whole.__name__] = whole
    old = dict(_functions(whole, whole.__name__))
    for name, function in _functions(fresh, whole.__name__):
        if name in old and old[name].__code__.co_freevars == function.__code__.co_freevars:
            old[name].__code__, old[name].__defaults__ = function.__code__, function.__defaults__
            old[name].__kwdefaults__ = function.__kwdefaults__
    return fresh


def _kept_since(module: str) -> list[Any]:
    """Of what is kept once it was found that of this stage and of later ones, and of the tests: an earlier stage knows nothing of it."""
    later = STAGES[max((n for n, stage in enumerate(STAGES) if f".{stage}" in module), default=0) :]
    kept = (x for x in gc.get_objects() if type(x).__name__ == "_lru_cache_wrapper")
    return [x for x in kept if _of_a_test(x) or any(f".{stage}" in x.__module__ for stage in (*later, "pipeline"))]


def _of_a_test(kept: Any) -> bool:
    """What a test's own helper keeps was made with the whole line."""
    file = getattr(getattr(kept, "__wrapped__", None), "__code__", None)
    return file is not None and file.co_filename.startswith((f"{ROOT}/tests/", f"{ROOT}/scripts/"))


def _module_of(file: str) -> str:
    return "." + file.removesuffix(".py").replace("/", ".")


def _read_but_once() -> None:
    """What is read of a text is the same, whichever line of a later stage is broken."""
    from mealshift.reading import read

    kept = lru_cache(maxsize=None)(read)

    def once(*given: Any, **named: Any) -> Any:
        # with nothing found of it yet: what one test has found is no other's
        return replace(kept(*given, **named))

    for module in list(sys.modules.values()):
        for name, value in list(getattr(module, "__dict__", {}).items()):
            if value is read:
                setattr(module, name, once)


# of the core, each of which knows only those before it
STAGES = ("text", "reading", "pot", "shifting", "planning", "cooking")


def _functions(of: Any, module: str, seen: str = "") -> Iterator[tuple[str, FunctionType]]:
    for name, value in list(vars(of).items()):
        inner = (
            getattr(value, "__func__", None) or getattr(value, "fget", None) or getattr(value, "func", None) or value
        )
        inner = getattr(inner, "__wrapped__", inner)
        if getattr(inner, "__module__", None) != module:
            continue
        if isinstance(inner, FunctionType) and isinstance(inner.__code__, CodeType):
            yield f"{seen}.{name}", inner
        elif isinstance(inner, type) and inner is not of:
            yield from _functions(inner, module, f"{seen}.{name}")


def _whole(mutant: Mutant) -> Mutant:
    return replace(mutant, now=mutant.was)


def _of_python(mutants: list[Mutant], tests: list[str]) -> tuple[int, list[Mutant]]:
    """(how many were tried, which survived)."""
    breaker = Breaker(mutants)
    pytest.main(["-q", "-p", "no:cacheprovider", "--no-header", "--no-summary", *tests], plugins=[breaker])
    return breaker.tried, breaker.lived


def _of_the_page(mutants: list[Mutant], tests: list[str]) -> tuple[int, list[Mutant]]:
    lived = []
    with tempfile.TemporaryDirectory() as folder:
        copy = Path(folder)
        shutil.copytree(ROOT / "web/src", copy / "web/src")
        for part in ("package.json", "tsconfig.json", "vite.config.ts"):
            shutil.copy(ROOT / "web" / part, copy / "web" / part)
        # what the core and the page are both held to
        for part in ("tests/core/corpus", "tests/shared"):
            shutil.copytree(ROOT / part, copy / part)
        os.symlink(ROOT / "web/node_modules", copy / "web/node_modules")
        for mutant in mutants:
            target = copy / _place(mutant.file)
            whole = target.read_text(encoding="utf-8")
            lines = whole.splitlines()
            lines[mutant.line] = mutant.now
            target.write_text("\n".join(lines) + "\n", encoding="utf-8")
            run = ["npx", "vitest", "run", "--bail", "1", *tests]
            try:
                done = subprocess.run(run, cwd=copy / "web", capture_output=True, timeout=400, check=False)
                lived += [mutant] if done.returncode == 0 else []
            except subprocess.TimeoutExpired:
                pass
            finally:
                target.write_text(whole, encoding="utf-8")
    return len(mutants), lived


def main(most: int, seed: str, rooms: list[str]) -> int:
    alive = tried = 0
    for room in rooms or list(ROOMS):
        files, tests = ROOMS[room]
        rng = random.Random(f"{room}-{seed}")
        here = [m for file in files for m in mutants_of(ROOT, file, rng, -(-most // len(files)))]
        n, lived = (_of_the_page if files[0].startswith("web/") else _of_python)([_whole(here[0]), *here], tests)
        if not any(m.now == m.was for m in lived):
            # a room whose tests fail with nothing broken would call every line held
            print(f"{room}: its tests fail with a line put back as it is, so they tell nothing", flush=True)
            return 1
        n, lived = n - 1, [m for m in lived if m.now != m.was]
        tried, alive = tried + n, alive + len(lived)
        print(f"{room}: {len(lived)} of {n} survive", flush=True)
        for m in lived:
            print(f"  {m.file}:{m.line + 1}\n    - {m.was.strip()}\n    + {m.now.strip()}", flush=True)
    print(f"{alive} of {tried} survive: {alive / max(1, tried):.0%}")
    return 0


if __name__ == "__main__":
    count = int(sys.argv[1]) if len(sys.argv) > 1 and sys.argv[1].isdigit() else 8
    seeds = [a.removeprefix("seed=") for a in sys.argv[1:] if a.startswith("seed=")]
    raise SystemExit(main(count, (seeds or ["1"])[-1], [a for a in sys.argv[1:] if a in ROOMS]))
