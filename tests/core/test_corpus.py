"""A corpus of recipe texts beside what should be understood of them; how many lines are right is printed and held."""

from __future__ import annotations

import re
from pathlib import Path
from typing import NamedTuple

from mealshift.reading import read
from mealshift.recipe import Line, Recipe

ROLES = {
    "G": "source_grain",
    "L": "pot_liquid",
    "D": "absorber",
    "W": "watery",
    "F": "fat",
    "S": "salt",
    "T": "timed",
    "A": "after",
    "B": "beside",
}


class Entry(NamedTuple):
    name: str
    text: str
    told: dict[str, str]
    lines: list[tuple[str, float | None]]


def corpus() -> list[Entry]:
    out = []
    for part in (Path(__file__).parent / "corpus" / "texts.txt").read_text(encoding="utf-8").split("%%% ")[1:]:
        name, rest = part.split("\n", 1)
        text, expected = rest.split("\n=== ")
        told, lines = expected.strip().split("\n")
        pairs = dict(item.strip().split(" ", 1) for item in told.split(";"))
        want = []
        for item in lines.split(";"):
            role, amount = item.split()
            number = re.match(r"[\d.]+", amount)
            want.append((ROLES[role], float(number[0]) if number else None))
        out.append(Entry(name, text, pairs, want))
    return out


def size(line: Line, wanted: float) -> float | None:
    """The amount as it was meant: the one of ml, g or count that is nearest."""
    known = [v for v in (line.ml, line.g, line.quantity) if v is not None]
    return min(known, key=lambda v: abs(v - wanted)) if known else None


def facts(entry: Entry, recipe: Recipe) -> list[tuple[str, bool]]:
    """Every fact told of the whole recipe, and whether it was understood."""
    source = recipe.source_line
    found: dict[str, object] = {
        "grain": source.grain if source else None,
        "servings": recipe.servings,
        "heat": recipe.simmer_min,
        "rest": recipe.rest_min,
        "soak": recipe.soak_min,
        "method": recipe.method,
        "texture": recipe.texture,
    }
    out = []
    for key, want in entry.told.items():
        have = found[key]
        right = (
            have is not None and abs(float(str(have)) - float(want)) < 0.1
            if re.fullmatch(r"[\d.]+", want)
            else have == want
        )
        out.append((f"{entry.name}: {key} {have} for {want}", right))
    return out


def test_the_corpus_is_read_as_a_cook_would(capsys) -> None:
    entries = corpus()
    roles = amounts = lines = 0
    wrong, told = [], []
    extra = 0
    for entry in entries:
        recipe = read(entry.text)
        told += facts(entry, recipe)
        extra += max(0, len(recipe.lines) - len(entry.lines))
        for i, (role, amount) in enumerate(entry.lines):
            lines += 1
            line = recipe.lines[i] if i < len(recipe.lines) else None
            role_right = line is not None and line.role == role
            have = size(line, amount) if line is not None and amount is not None else None
            amount_right = amount is None or (have is not None and abs(have - amount) <= 0.02 * amount + 0.6)
            roles += role_right
            amounts += amount_right
            if not (role_right and amount_right):
                wrong.append(
                    f"{entry.name}: {line.text if line else '(missing)'}: {line.role if line else ''} {have} for {role} {amount}"
                )
    missed = [name for name, right in told if not right]
    with capsys.disabled():
        print(
            f"\ncorpus of {len(entries)}: roles {roles}/{lines}, amounts {amounts}/{lines}, lines invented {extra}, facts {len(told) - len(missed)}/{len(told)}"
        )
        print("\n".join([*wrong, *missed]))
    assert len(entries) >= 40
    assert roles >= 0.93 * lines and amounts == lines and len(missed) <= 3
    assert len(told) - len(missed) >= 0.97 * len(told)
