"""What to do at the stove, stage by stage, for a way of cooking: minutes and a sentence each, from the table of methods."""

from __future__ import annotations

import math

from ..measures import jug_ml, round_half_up
from .account import Pot

MICROWAVE_STAGE = 8.0
_LIDS = {
    "open": "no lid",
    "sealed": "a cloth under the lid",
    "tight": "tight lid",
    "ajar": "lid ajar",
    "ordinary": "lid on",
}
_RELEASE = {
    "natural": "let the pressure fall by itself",
    "quick": "let the pressure out, hands away from the valve",
}


def stages(pot: Pot) -> list[tuple[str, int]]:
    """(sentence, minutes) in order; the minutes are those of the time ledger."""
    row = pot.way.row
    minutes = {
        "up": round_half_up(pot.come_up_min),
        "cook": pot.cook_typical,
        "release": round_half_up(pot.release_min),
        "rest": round_half_up(pot.rest_min),
        "": 0,
    }
    out: list[tuple[str, int]] = []
    for said, which in row.stages:
        if which == "cook" and row.power == "microwave":
            out += _rounds(pot, said)
        else:
            out.append((_filled(pot, said, minutes[which]), minutes[which]))
    return out


def resting(pot: Pot) -> str:
    """What the grain does when the heat is off, in a few words of its way."""
    said = next((said for said, which in pot.way.row.stages if which == "rest"), "leave it closed")
    return _filled(pot, said, round_half_up(pot.rest_min)).split(", then")[0].removesuffix(", loosen")


def in_words(pot: Pot) -> str:
    """The cooking as one sentence of a recipe, where the row has one."""
    return _filled(pot, pot.way.row.sentence, pot.cook_typical)


def _filled(pot: Pot, said: str, n: int) -> str:
    lid = _LIDS[pot.way.lid]
    if pot.way.row.resource == "oven":
        lid = "uncovered" if pot.way.lid == "open" else "covered"
    return said.format(
        n=n,
        short=pot.grain.short,
        cooks="cook" if pot.grain.many else "cooks",
        is_="are" if pot.grain.many else "is",
        watts=f"{pot.kitchen.watts:g}",
        lid=lid,
        whistles=f"{pot.whistles} whistle{'s' if pot.whistles != 1 else ''}",
        release=_RELEASE[pot.way.release],
    )


def _rounds(pot: Pot, said: str) -> list[tuple[str, int]]:
    """Rounds of about eight minutes. After each the water stands so high above the grain; what is missing is filled up with boiling water.

    What is free is what was poured less what has boiled off and been drunk by then, both evenly over the cooking; the depth is that of
    the free water over grain that has swollen in step.
    """
    cook = pot.cook_typical
    n = max(1, math.ceil(cook / MICROWAVE_STAGE))
    parts = [cook // n + (1 if i < cook % n else 0) for i in range(n)]
    if n == 1:
        return [(_filled(pot, said, parts[0]), parts[0])]
    drinks = pot.dry_g * (pot.grain.hydration_at(pot.way.texture) - pot.uptake)
    off = sum(r.amount for r in pot.rows if r.term == "boil_off")
    start = sum(r.amount for r in pot.rows if r.term in ("grain", "boil_off", "soak", "age", "learnt"))
    out, past = [], 0
    for i, m in enumerate(parts):
        past += m
        text = _filled(pot, said, m)
        if i < n - 1:
            free = max(0.0, start - (off + drinks) * past / cook)
            # half of what the next round takes: the rest is there if the level is right
            more = (off + drinks) / cook * parts[i + 1] / 2
            level = (
                f"{free / pot.kitchen.area_cm2:.1f} cm of water over the grain" if free >= 30 else "the grain just wet"
            )
            text += f"; stir and look: {level}? If less, {max(20, jug_ml(more))} ml of boiling water"
        out.append((text, m))
    return out
