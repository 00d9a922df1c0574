"""Of all readings of the minutes, the one that fits best together; and how sure that is.

The tagger gives every stretch of minutes its chances. Added up blindly, one slip makes a wrong total; so the totals themselves are weighed: the chance of each
choice of stretches times how likely such a total is for this grain, cooked this way. What is left to the other totals is the doubt.

A case by hand: "18 minutes" (heat .9), "microwave: 18 minutes" (heat .6), long white under a lid, usually 16. The total 36 has chance .54 and is 2.2 times the
usual: weight .08; the total 18 has .36 + .06 and is usual: weight .9. So 18, and 36 is named in the doubt.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import partial

from ..grains import Grain
from ..process import BOILED_THROUGH
from .told_minutes import Timed

# stretches beyond these chances are not turned over
LEAST, MOST, AT_ONCE = 0.04, 0.97, 7


@dataclass(frozen=True, slots=True)
class Settled:
    """timed: the stretches with their settled kinds. sure: field → chance that its total is right. totals: field → the likeliest totals."""

    timed: tuple[Timed, ...]
    sure: dict[str, float]
    totals: dict[str, tuple[float, ...]]


# what is left of the chance of a total that the recipe's own line of times contradicts
AGAINST_ITS_WORD = 0.02


def settle(
    timed: Sequence[Timed], grain: Grain | None, way: str, dish: str, stated: Mapping[str, float] | None = None
) -> Settled:
    """stated: field → minutes that the recipe itself adds up to (`stated.py`)."""
    out = _nothing_after_rest(_no_rest_before_heat(_no_days(timed), way), way)
    if dish == "stuffing" and grain is not None:
        out = _goes_on_inside(out, grain)
    sure: dict[str, float] = {}
    totals: dict[str, tuple[float, ...]] = {}
    for kind, field, fits in (
        ("heat", "simmer", lambda t: _heat_fits(t, grain, way, dish)),
        ("rest", "rest", _rest_fits),
        ("soak", "soak", _soak_fits),
    ):
        counted = kind == "heat" and any(t.kind == "whistles" for t in out)
        if stated and field in stated and not counted:
            fits = partial(_as_stated, stated[field])
        chosen, field_sure, best = _weigh(out, kind, fits)
        sure[field], totals[field] = field_sure, best
        for i, t in enumerate(out):
            if i in chosen and t.kind != kind:
                out[i] = _as(t, kind, max(t.chance(kind), 0.5))
            elif i not in chosen and t.kind == kind:
                other = next((k for k, _ in t.others if k != kind), "other")
                out[i] = _as(t, other, max(0.3, t.chance(other)))
    return Settled(tuple(out), sure, totals)


def _as(t: Timed, kind: str, sure: float) -> Timed:
    """The stretch as another kind; what it was stays among what it may be, or nobody would ask."""
    return replace(t, kind=kind, sure=sure, others=((t.kind, t.sure), *(x for x in t.others if x[0] != kind)))


# what is left of the chance that minutes are the grain's when it has been cooked and has stood
AFTER_REST = 0.25
# minutes of other work after which what stands is no more the grain
WORK_MIN = 8.0


# no pot stands over the heat so long, not the slowest cooker's
DAYS_MIN = 16 * 60.0


def _no_days(timed: Sequence[Timed]) -> list[Timed]:
    """ "Three days my mother fed forty people": nothing is at the heat, and nothing rests off it, for so long."""
    gone = ("heat", "rest", "release", "come_up", "toast", "pan", "from_end", "from_start")
    return [
        replace(
            t,
            kind="other" if t.kind in gone else t.kind,
            sure=max(t.sure, 0.9) if t.kind in gone else t.sure,
            others=tuple(x for x in t.others if x[0] not in gone),
        )
        if t.stretch.typical >= DAYS_MIN
        else t
        for t in timed
    ]


def _no_rest_before_heat(timed: list[Timed], way: str) -> list[Timed]:
    """What stands before anything was hot is left in a sieve, or in its bowl; it does not rest."""
    first = next((i for i, t in enumerate(timed) if t.kind in ("heat", "come_up", "whistles")), None)
    if first is None or way in ("steep", "off-heat", "microwave"):
        return timed
    early = [t for t in timed[:first] if t.kind in ("rest", "release")]
    return [_as(t, "other", max(0.7, t.chance("other"))) if t in early else t for t in timed]


def _nothing_after_rest(timed: list[Timed], way: str) -> list[Timed]:
    """Grain that was at the heat and has rested is done: what comes then is hardly its cooking, unless a cooker was only opened in between."""
    heat = next((i for i, t in enumerate(timed) if t.kind == "heat" and t.sure > 0.6), None)
    if heat is None or way in ("pressure", "electric-pressure"):
        return timed
    rest = next((i for i in range(heat + 1, len(timed)) if timed[i].kind == "rest" and timed[i].sure > 0.7), None)
    if rest is None:
        return timed
    out = timed[: rest + 1]
    worked = False
    for t in timed[rest + 1 :]:
        left = t.chance("heat") * AFTER_REST
        if t.kind == "rest" and worked:
            # what stands after it was baked with the rest of the dish is the dish, no second rest of the grain
            left = t.chance("rest") * AFTER_REST
            more = (("rest", left), *(x for x in t.others if x[0] != "rest"))
            t = replace(t, kind="other", sure=max(0.5, 1 - left), others=more)
        worked = worked or (t.kind in ("other", "heat") and t.stretch.typical >= WORK_MIN)
        if t.kind == "heat" and left < 0.5:
            kind, sure = next(((k, p) for k, p in t.others if k not in ("heat", "rest")), ("other", 0.5))
            t = replace(
                t,
                kind=kind,
                sure=max(sure, 1 - left),
                others=(("heat", left), *(x for x in t.others if x[0] not in (kind, "heat"))),
            )
        out.append(t)
    return out


# the shortest baking of what the grain fills
SHORTEST_BAKE = 15.0


def _goes_on_inside(timed: list[Timed], grain: Grain) -> list[Timed]:
    """Grain that was only half boiled is done in what it fills: the long minutes afterwards are its own, where the tagger thinks so at all."""
    boiled = 0.0
    out = []
    for t in timed:
        chance = t.chance("heat")
        if (
            0 < boiled < BOILED_THROUGH * grain.simmer
            and t.kind in ("other", "heat")
            and LEAST < chance < 0.6
            and t.stretch.typical >= SHORTEST_BAKE
        ):
            t = replace(
                t,
                kind="heat",
                sure=0.6,
                others=(("other", 0.3), *(x for x in t.others if x[0] not in ("heat", "other"))),
            )
        elif t.kind == "heat":
            boiled += t.stretch.typical
        out.append(t)
    return out


def _weigh(
    timed: Sequence[Timed], kind: str, fits: Callable[[float], float]
) -> tuple[set[int], float, tuple[float, ...]]:
    """(the stretches chosen, the chance of their total, the likeliest totals)."""
    chances = [(i, t.chance(kind)) for i, t in enumerate(timed)]
    fixed = {i for i, p in chances if p > MOST}
    open_ = sorted(((i, p) for i, p in chances if LEAST < p <= MOST), key=lambda x: abs(x[1] - 0.5))[:AT_ONCE]
    fixed |= {i for i, p in chances if 0.5 < p <= MOST and i not in {j for j, _ in open_}}
    weights: dict[float, float] = {}
    best: tuple[float, set[int]] = (-math.inf, set(fixed))
    minutes = [0.0 if t.stretch.unit == "whistle" else t.stretch.typical for t in timed]
    all_of = max if kind == "soak" else sum
    sure = [minutes[i] for i in fixed]
    for picks in itertools.product((False, True), repeat=len(open_)):
        total = all_of((*sure, *(minutes[i] for (i, _), pick in zip(open_, picks, strict=True) if pick), 0.0))
        log = sum(math.log(p if pick else 1 - p) for (_, p), pick in zip(open_, picks, strict=True)) + math.log(
            max(1e-9, fits(total))
        )
        key = round(total)
        weights[key] = weights.get(key, 0.0) + math.exp(log)
        if log > best[0]:
            best = (log, fixed | {i for (i, _), pick in zip(open_, picks, strict=True) if pick})
    all_ = sum(weights.values()) or 1.0
    mine_total = _total(timed, best[1], kind)
    near = sum(w for t, w in weights.items() if abs(t - mine_total) <= max(1.0, 0.07 * mine_total))
    ranked = tuple(t for t, _ in sorted(weights.items(), key=lambda x: -x[1])[:3])
    return best[1], near / all_, ranked


def _total(timed: Sequence[Timed], chosen: set[int], kind: str) -> float:
    minutes = [timed[i].stretch.typical for i in chosen if timed[i].stretch.unit != "whistle"]
    return max(minutes, default=0.0) if kind == "soak" else sum(minutes)


def _as_stated(stated: float, total: float) -> float:
    return 1.0 if abs(total - stated) <= max(1.0, 0.07 * stated) else AGAINST_ITS_WORD


def _bell(x: float, mean: float, spread: float) -> float:
    return math.exp(-0.5 * ((x - mean) / spread) ** 2)


def _heat_fits(total: float, grain: Grain | None, way: str, dish: str) -> float:
    """How likely so many minutes at the heat are, between 0 and 1."""
    if total <= 0:
        return 0.5 if way in ("rice-cooker", "pressure", "microwave", "cooked", "electric-pressure") else 0.08
    if grain is None or not grain.simmer:
        return 0.3
    usual, spread = float(grain.simmer), 0.32
    if way in ("electric-pressure", "pressure"):
        usual, spread = (
            float(grain.electric_min or max(4.0, usual / 2.5)) * (1.3 if way == "electric-pressure" else 1.8),
            0.55,
        )
    elif way == "oven":
        usual, spread = usual * 1.9, 0.5
    if dish in ("porridge", "pudding"):
        usual, spread = usual * 2.6, 0.65
    elif dish == "stuffing":
        # cooked half, then baked in what it fills
        usual, spread = usual * 2.6, 0.65
    elif dish in ("soup", "soft"):
        usual, spread = usual * 1.5, 0.55
    return 0.2 + 0.8 * _bell(math.log(total), math.log(usual), spread)


def _rest_fits(total: float) -> float:
    if total <= 0:
        return 0.55
    return 0.12 + 0.88 * _bell(math.log(total), math.log(8.0), 0.7)


def _soak_fits(total: float) -> float:
    return 0.7 if total <= 0 else 0.8 if 10 <= total <= 1500 else 0.15
