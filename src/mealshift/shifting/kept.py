"""What the recipe's steps put in, and the new method no longer tells: the words that named it went with the rice's own cooking.

"Cook the rice with the turmeric in a pan of boiling water for 25 minutes" is another sentence for couscous; the turmeric goes in all the same.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import NamedTuple

from ..process import Operation
from ..quick import lazy
from ..reading.dish import grain_lines
from ..reading.ingredients import handle
from ..recipe import Line, Recipe, once
from .beside import called, left_out_of

_SO_MUCH_OF = lazy(
    r"^(?:(?:a|an|good|big|generous|small|large) )*(?:pinch|handful|bunch|knob|splash|dash|sprig|drizzle)(?:e?s)? of ",
    re.I,
)


class Left(NamedTuple):
    """line: the ingredient; at: the place of the retired operation that named it last."""

    line: Line
    at: int

    @property
    def name(self) -> str:
        words = _SO_MUCH_OF.sub("", called(self.line))
        return words[:1].lower() + words[1:]


def left_out(recipe: Recipe, operations: Sequence[Operation]) -> list[Left]:
    """The ingredients that only retired operations name, in the order in which they did."""
    retired = [i for i, o in enumerate(operations) if o.basis == "retired"]
    fats = {ln.index for ln in recipe.lines if ln.role == "fat"}
    out = []
    for ln, words in _words_of_others(recipe) if retired else ():

        def names_it(o: Operation, ln: Line = ln, words: re.Pattern[str] = words) -> bool:
            return _named(words, o.text) and not left_out_of(o, ln)

        at = next((i for i in reversed(retired) if names_it(operations[i])), None)
        if at is None or any(names_it(o) for o in operations if o.basis != "retired"):
            continue
        fries = (o for o in operations[:at] if o.kind == "fry" and o.basis != "retired" and not fats & set(o.what))
        turned = ln.index in fats and operations[at].kind in ("stir", "toast", "fry")
        if turned and next(fries, None) is not None:
            # "turn it over in the oil": what was fried before, in nothing that is named, was fried in it
            continue
        if "-" in ln.name and any(_run_on(ln.name) in _run_on(o.text) for o in operations if o.basis != "retired"):
            # "rose-water" is the rosewater
            continue
        if ln.index in operations[at].what and not _TAKEN_OUT.search(operations[at].text):
            out.append(Left(ln, at))
    return sorted(out, key=lambda x: x.at)


@once
def _words_of_others(recipe: Recipe) -> tuple[tuple[Line, re.Pattern[str]], ...]:
    """What a step calls each of the lines that are not the grain. "Bring the liquid to the boil" is said of every liquid of the pot: none of those."""
    own = {ln.index for ln in grain_lines(recipe)} | {recipe.source}
    called_so = ((ln, handle(ln)) for ln in recipe.lines if ln.index not in own and ln.role != "pot_liquid")
    return tuple((ln, words) for ln, words in called_so if words is not None)


def _named(words: re.Pattern[str], text: str) -> bool:
    """ "no salt", "don't add the butter yet" put nothing in."""
    return any(not _NOT_IN.search(text, max(0, m.start() - SO_FAR), m.start()) for m in words.finditer(text))


SO_FAR = 24
_NOT_IN = lazy(r"(?:\b(?:no|not|without|never|skip)|n['’]t)\b[^,.;]*$", re.I)


def _run_on(text: str) -> str:
    return re.sub(r"[\s-]", "", text.lower())


_TAKEN_OUT = lazy(r"\b(?:remove|take out|lift out|pick out|pull out|fish out|discard)\b", re.I)
