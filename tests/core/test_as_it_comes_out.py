"""Recipes as strangers write them, shifted: what must stand in the text that a cook then reads, and what must not (corpus/shifted.txt).

Each was once wrong without a doubt shown: a number left beside the new one, a sentence in the wrong place, another rice's name.
"""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

import pytest

from mealshift import pipeline
from mealshift.shifting import Choice
from mealshift.writing.text import recipe_alone


class Case(NamedTuple):
    name: str
    slug: str
    method: str | None
    text: str
    stands: list[str]
    never: list[str]


def cases() -> list[Case]:
    out = []
    for part in (Path(__file__).parent / "corpus" / "shifted.txt").read_text(encoding="utf-8").split("%%% ")[1:]:
        head, rest = part.split("\n", 1)
        name, to = head.split(" → ")
        slug, _, method = to.partition(" by ")
        body = rest.rstrip("\n").split("\n")
        # what is told of the outcome stands at the end, "+ " and "- " for yes and no
        n = len(body)
        while body[n - 1][:2] in ("+ ", "- "):
            n -= 1
        told = body[n:]
        stands, never = ([x[2:] for x in told if x.startswith(sign)] for sign in "+-")
        out.append(Case(name, slug, method or None, "\n".join(body[:n]), stands, never))
    return out


CASES = cases()


@pytest.mark.parametrize("case", CASES, ids=[c.name for c in CASES])
def test_what_a_cook_reads(case: Case) -> None:
    made = pipeline.whole_way(case.text, Choice(case.slug, method=case.method))
    written = recipe_alone(made)
    assert [s for s in case.stands if s not in written] == [], written
    assert [s for s in case.never if s in written] == [], written
    assert made["laws"] == []
