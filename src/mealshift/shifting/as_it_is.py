"""A dish without a grain to shift: cooked by its own steps, beside the shifted ones.

It has what plan and stove need of a shift (a list, a text with the places of its operations, a Process) and nothing is reckoned.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ..measures import Measures
from ..pot import Kitchen
from ..problems import Problem, Refusal
from ..process import Process
from ..recipe import Line, Recipe
from .lines import NewLine
from .manners import line_in, step_in
from .rewrite import Method, NewStep, places_of
from .wording import Edited

# a text of so few clauses is a list or a remark
LEAST_OPERATIONS = 2


@dataclass(frozen=True, slots=True)
class AsItIs:
    recipe: Recipe
    title: Edited
    lines: tuple[NewLine, ...]
    method: Method
    process: Process
    kitchen: Kitchen = field(default_factory=Kitchen)
    problems: tuple[Problem, ...] = ()


def as_it_is(recipe: Recipe, kitchen: Kitchen | None = None) -> AsItIs:
    """Refusal if the text has no things or no steps to cook by."""
    said = [o for o in recipe.process.operations if o.span is not None]
    if len(said) < LEAST_OPERATIONS or not recipe.lines:
        raise Refusal(
            "no_steps",
            "text",
            "A dish that is cooked as it is needs what goes in and the steps to make it: add them to the text.",
        )
    kitchen = kitchen or Kitchen()
    manner = kitchen.manner
    measures = Measures(kitchen.cup_ml, kitchen.measure_ml)
    steps = [
        NewStep(s.text, s.text, section=s.section, full=s.text, places=places_of(s, recipe.process.operations, []))
        for s in recipe.steps
    ]
    return AsItIs(
        recipe,
        Edited(recipe.title, ()),
        tuple(line_in(manner, _line(ln), measures) for ln in recipe.lines),
        Method([step_in(manner, st, measures) for st in steps]),
        recipe.process,
        kitchen,
    )


def _line(line: Line) -> NewLine:
    return NewLine(line.text, line.text, line.role).placed(line)
