"""Where the grain comes into its pot: what is cooked before it is there is not its cooking."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..quick import lazy
from .clauses import ALL_IN, Clause
from .names import as_rice

# "drained rice in", "add the soaked, drained rice": it stood in a bowl until then, however early it was spoken of
_FROM_ITS_BOWL = lazy(
    r"\b(?:drained|(?<!un)soaked)\b(?:,? (?:and )?(?:washed|drained|soaked|rinsed))* rice\b(?! (?:is|are|was|has|should|can|must)\b)",
    re.I,
)
_RICE_IN = lazy(r"\brice,? in\b(?! (?:a|an|the|it|its|cold|plenty)\b)", re.I)


def _enters(c: Clause) -> bool:
    named = c.grains and "grain" in c.things
    # "rice in", of who leaves the verb out
    # "Rice in a cross over it", "arroz, repartir": named alone where something is hot
    alone = not c.verb and not c.before.grain and c.before.hot and (c.before.wet or c.before.boiled)
    return named and (
        c.verb in ("add", "stir", "cook", "boil", "toast") or alone or bool(_RICE_IN.search(as_rice(c.text)))
    )


def _put_in(found: Sequence[Clause], i: int) -> bool:
    """ "Wash the rice and put in a pan with the water": named in the sentence, and put in without its name. "Put all in the cooker": it is among all."""
    c = found[i]
    if ALL_IN.search(c.text):
        return True
    return c.verb == "add" and c.grains and any("grain" in o.things for o in of_sentence(found, i))


def entry(found: Sequence[Clause]) -> tuple[int, int]:
    """The clauses between which the grain comes into its pot: the first that puts it in without its name, the last that puts it in."""
    put = next((i for i in range(len(found)) if _put_in(found, i)), len(found))
    # "Drain the rice and tip it into the broth"
    return put, max((i for i, c in enumerate(found) if _enters(c) or _put_in(found, i)), default=-1)


def entered(found: Sequence[Clause], j: int, entry: tuple[int, int]) -> str:
    """Is the grain in its vessel where a clause begins, named in its sentence, still to come, or never told of?"""
    put, last = entry
    if j < last and put >= last and _FROM_ITS_BOWL.search(as_rice(found[last].text)):
        return "later"
    if found[j].before.grain or put < j:
        return "in"
    if any("grain" in c.things for c in of_sentence(found, j)):
        return "now"
    # "Poach the chicken, simmer 25 minutes. Wash the rice": it was not even washed
    others = any(_OTHERS & set(c.things) for c in found[: j + 1] if c.block == found[j].block)
    unspoken = not any("grain" in c.things for c in found[: j + 1]) and any("grain" in c.things for c in found[j + 1 :])
    return "later" if j < last or (others and unspoken) else "never"


_OTHERS = frozenset({"meat", "pulse", "veg"})


def of_sentence(found: Sequence[Clause], j: int) -> list[Clause]:
    """The clauses before it in its sentence, and itself."""
    k = j
    while k > 0 and found[k - 1].block == found[j].block and found[k - 1].sentence == found[j].sentence:
        k -= 1
    return list(found[k : j + 1])
