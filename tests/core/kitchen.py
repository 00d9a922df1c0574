"""Short ways for the core's tests to say what they mean."""

from __future__ import annotations

from functools import cache
from pathlib import Path
from typing import Any

from mealshift import pipeline
from mealshift.grains import Grain, grain
from mealshift.pot import Kitchen, Pot, default_way, solve
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.shifting import Choice, Shift, shift

DEMO = Path(__file__).parents[2] / "demo" / "recipes"
DEMO_FILES = sorted(DEMO.iterdir())
# every ninth of the strangers' texts, each by three grains: what must hold of any recipe
STRANGERS = sorted((Path(__file__).parents[2] / "corpus").glob("*/*.txt"))[::9]
TO_THREE = ("quinoa", "barley-pearl", "maize-meal-coarse")


def demo(start: str) -> str:
    return next(f for f in DEMO_FILES if f.name.startswith(start)).read_text(encoding="utf-8")


def pot(g: Grain | str, ml: float = 240.0, kitchen: Kitchen | None = None, **way: Any) -> Pot:
    g = grain(g) if isinstance(g, str) else g
    return solve(g, ml, default_way(g, **way), kitchen)


def shifted(text: str, to: str, **choice: Any) -> Shift:
    return shift(read(text), Choice(to, **choice))


@cache
def stranger(file: Path, to: str) -> Shift | None:
    """One of the strangers' recipes, shifted; None where it is refused."""
    try:
        return shifted(file.read_text(encoding="utf-8"), to)
    except Refusal:
        return None


def report(text: str, to: str, **choice: Any) -> dict[str, Any]:
    return pipeline.shift_report(shifted(text, to, **choice))


def steps(data: dict[str, Any]) -> list[str]:
    return [s["text"] for s in data["steps"]]


def ingredients(data: dict[str, Any]) -> list[str]:
    return [i["text"] for i in data["ingredients"]]
