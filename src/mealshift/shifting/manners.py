"""A shifted recipe in the household's own units: what the recipe says otherwise is said anew, and no mark or place in the text is lost by it."""

from __future__ import annotations

from dataclasses import replace

from ..manner import Manner
from ..measures import Measures
from .lines import NewLine
from .rewrite import NewStep
from .wording import Edit, apply, moved


def line_in(manner: Manner, ln: NewLine, measures: Measures) -> NewLine:
    text, edits = _said(manner, ln.text, measures)
    return replace(ln, text=text, marks=_marks(ln.text, ln.marks, edits)) if edits else ln


def step_in(manner: Manner, st: NewStep, measures: Measures) -> NewStep:
    text, edits = _said(manner, st.text, measures)
    full, there = _said(manner, st.full, measures)
    if not (edits or there):
        return st
    places = tuple((op, *moved(st.full, there, a, b)) for op, a, b in st.places)
    return replace(st, text=text, marks=_marks(st.text, st.marks, edits), full=full, places=places)


def _said(manner: Manner, text: str, measures: Measures) -> tuple[str, list[Edit]]:
    edits = [Edit(*e) for e in manner.edits(text, measures)]
    return (apply(text, edits).text if edits else text), edits


def _marks(text: str, marks: tuple[tuple[int, int], ...], edits: list[Edit]) -> tuple[tuple[int, int], ...]:
    return tuple(moved(text, edits, a, b) for a, b in marks)
