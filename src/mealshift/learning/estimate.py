"""A shrinking estimate of what a kitchen's pots say, from the notebook's entries.

Each entry says what the pot should have had, from what it got and how it came out:

    water  y = (got − need − boil · (taken / minutes − 1) − WET · wet · need) / need          wet: −2 dry … +2 wet
    time   z = ln(taken / minutes) − SOFT · soft               soft: −2 hard … +2 mush

and the model says where such a difference can come from:

    y = (water_grain + water_bag) · grain/need + pot · boil/need + liking · step/need
    z = time_grain + time_bag + liking · step_log

This is a ridge regression: every unknown starts from the catalogue (0) and is held there by a prior as strong as `PRIOR` says, so one
entry moves little and twenty move it all the way. An entry's weight halves every `HALF_LIFE` days. What does not fit is ignored
by degrees: an entry whose residual is k times its noise counts 1 / (1 + (k/3)²) (Student's weights, by iteration). How noisy this
rater is, is learnt too: the noise grows with what is left over, and a contradictory rater moves little. A run of residuals of one sign at
the end means that something has changed: what lies before the run counts a `CHANGED`th. A blend teaches of pot and liking only: which of
its grains it was cannot be told. No estimate leaves its `SAFE` range. Method and the simulated kitchens that hold it: docs/learning.md.

A case by hand: one foxtail pot, need 500 of which the grain 450, poured as reckoned, came out "dry" (−1): y = .06. With the prior .10 and the
noise .05 the data weigh .9² / .05² = 324 and the prior 1 / .10² = 100: the estimate is .9 · .06 / .05² / 424 = +5.1 % for the grain,
a little less where the pot may be to blame.
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass, field

from .figures import Figures

# one step of the scale, as a share of the need and of the minutes
WET, SOFT = 0.06, 0.10
HALF_LIFE = 270.0
# the newest so many entries; older ones weigh next to nothing in a kitchen that cooks
MOST = 600
# standard deviations: what is thought of each unknown before any entry
PRIOR = {"water_grain": 0.10, "water_bag": 0.07, "pot": 0.20, "time_grain": 0.10, "time_bag": 0.08, "liking": 0.30}
SAFE = {
    "water_grain": (-0.2, 0.25),
    "water_bag": (-0.15, 0.15),
    "pot": (-0.5, 1.0),
    "time_grain": (-0.22, 0.26),
    "time_bag": (-0.15, 0.18),
    "liking": (-0.75, 0.75),
}
# an entry that says how it came out, and one that only says what was poured and how long it took
NOISE_WATER, NOISE_TIME = (0.05, 0.12), (0.09, 0.16)
ROUNDS = 6
# the noise is thought to be as above with the weight of so many entries
NOISE_KNOWN = 6.0
# so many changes are looked for, the latest first
CHANGES = 3
# a run of at least so many entries of a subject, so many noises off together, is a change; what was before it counts so little
RUN, CHANGE, CHANGED = 3, 2.8, 0.05
# the ends of the scale are "so much or more": what is meant by them lies beyond
END, MEANS = 2.0, 2.7
LIKING_GRAINS = 3

Key = tuple[str, str]


@dataclass(frozen=True, slots=True)
class Entry:
    """day: whole days on any scale. got_ml: all the water the pot had, in terms of the need (None: not a pot where water tells).
    taken_min: minutes at the boil (None: not noted). wet, soft: −2 to 2 (None: not said). pot: with its lid; bag: "" if unknown."""

    id: str
    day: int
    grain: str
    pot: str
    bag: str
    figures: Figures
    got_ml: float | None
    taken_min: float | None
    wet: float | None = None
    soft: float | None = None


@dataclass(frozen=True, slots=True)
class Estimate:
    """value: by (kind, subject); sd: how sure of it (standard deviation, the others as they are). weight: how many whole entries stand behind it.
    said_by: their ids, heaviest first."""

    value: dict[Key, float] = field(default_factory=dict)
    sd: dict[Key, float] = field(default_factory=dict)
    weight: dict[Key, float] = field(default_factory=dict)
    said_by: dict[Key, tuple[str, ...]] = field(default_factory=dict)


@dataclass(slots=True)
class _Row:
    entry: str
    y: float
    noise: float
    parts: list[tuple[Key, float]]
    age: float
    water: bool
    day: int
    trust: float = 1.0
    # how much noisier this kitchen is than thought
    rough: float = 1.0


def estimate(entries: Iterable[Entry]) -> Estimate:
    """The estimate from these entries. Their order does not matter."""
    newest = sorted({e.id: e for e in entries}.values(), key=lambda e: (-e.day, e.id))[:MOST]
    if not newest:
        return Estimate()
    last = newest[0].day
    bags: dict[str, set[str]] = {}
    for e in newest:
        bags.setdefault(e.grain, set()).add(e.bag)
    # a grain that only ever came from one bag: what is the bag's and what the grain's cannot be told apart, and one name is enough
    rows = [r for e in newest for r in _rows(e, 0.5 ** ((last - e.day) / HALF_LIFE), len(bags[e.grain]) > 1)]
    if len(bags) < LIKING_GRAINS:
        # one or two grains that want more are themselves so; only several together are a liking
        for r in rows:
            r.parts = [p for p in r.parts if p[0][0] != "liking"]
    keys = sorted({k for r in rows for k, _ in r.parts})
    value, sd = _fitted(keys, rows)
    for _ in range(CHANGES):
        if not _forget_before_a_change(rows, value):
            break
        value, sd = _fitted(keys, rows)
    weight = dict.fromkeys(keys, 0.0)
    behind: dict[Key, dict[str, float]] = {k: {} for k in keys}
    for r in rows:
        for k, x in r.parts:
            if x:
                counts = r.age * r.trust
                weight[k] += counts if k[0] != "liking" else counts / 2
                behind[k][r.entry] = max(behind[k].get(r.entry, 0.0), counts)
    safe = {k: min(max(v, SAFE[k[0]][0]), SAFE[k[0]][1]) for k, v in value.items()}
    said = {
        k: tuple(i for i, w in sorted(b.items(), key=lambda x: (-x[1], x[0])) if w > 0.2) for k, b in behind.items()
    }
    return Estimate(safe, sd, weight, said)


def _fitted(keys: list[Key], rows: list[_Row]) -> tuple[dict[Key, float], dict[Key, float]]:
    """The solution by rounds: each entry's trust, and how noisy this kitchen is, from what the round before left over."""
    value = sd = dict.fromkeys(keys, 0.0)
    for _ in range(ROUNDS):
        value, sd = _solve(keys, rows)
        left = [r.y - sum(x * value[k] for k, x in r.parts) for r in rows]
        for water in (True, False):
            mine = [i for i, r in enumerate(rows) if r.water is water]
            said = sum(rows[i].age * rows[i].trust * (left[i] / rows[i].noise) ** 2 for i in mine)
            n = sum(rows[i].age * rows[i].trust for i in mine)
            more = math.sqrt(max(1.0, (NOISE_KNOWN + said) / (NOISE_KNOWN + n)))
            for i in mine:
                rows[i].rough = more
        for r, off in zip(rows, left, strict=True):
            r.trust = 1.0 / (1.0 + (off / r.noise / r.rough / 3.0) ** 2)
    return value, sd


def _forget_before_a_change(rows: list[_Row], value: dict[Key, float]) -> bool:
    """Looks at each subject's newest residuals: a run of one sign that is too long and too large for chance ends what was before it."""
    changed = False
    for key in value:
        if key[0] not in ("water_grain", "time_grain"):
            continue
        mine = sorted((r for r in rows if any(k == key for k, _ in r.parts)), key=lambda r: r.day)
        off = [(r.y - sum(x * value[k] for k, x in r.parts)) / r.noise / r.rough for r in mine]
        start = len(off)
        while start and off[start - 1] * off[-1] > 0:
            start -= 1
        run = off[start:]
        if start and len(run) >= RUN and abs(sum(max(-2.5, min(2.5, x)) for x in run)) / math.sqrt(len(run)) >= CHANGE:
            for r in mine[:start]:
                r.age *= CHANGED
            changed = True
    return changed


def _meant(said: float | None) -> float:
    if said is None:
        return 0.0
    return math.copysign(MEANS, said) if abs(said) >= END else said


def _rows(e: Entry, age: float, tell_bags: bool) -> list[_Row]:
    """What one entry says about water and about time."""
    f, out = e.figures, []
    bag_w: list[tuple[Key, float]] = [(("water_bag", e.bag), f.grain_ml / f.need_ml)] if e.bag and tell_bags else []
    bag_t: list[tuple[Key, float]] = [(("time_bag", e.bag), 1.0)] if e.bag and tell_bags else []
    own = "+" not in e.grain
    if e.got_ml is not None:
        # what boiled off went by the minutes it really took, not by those it was told: time is no property of the water
        longer = min(max(e.taken_min / f.cook_min, 0.4), 2.5) - 1 if e.taken_min and f.cook_min > 0 else 0.0
        y = (e.got_ml - f.need_ml - f.boil_ml * longer - WET * _meant(e.wet) * f.need_ml) / f.need_ml
        grain_w: list[tuple[Key, float]] = [(("water_grain", e.grain), f.grain_ml / f.need_ml)] if own else []
        parts = [*grain_w, *bag_w, (("liking", ""), f.step_ml / f.need_ml)]
        if e.pot and f.boil_ml > 0:
            parts.append((("pot", e.pot), f.boil_ml / f.need_ml))
        out.append(_Row(e.id, y, NOISE_WATER[e.wet is None], parts, age, True, e.day))
    if own and e.taken_min is not None and e.taken_min > 0 and f.cook_min > 0:
        z = math.log(e.taken_min / f.cook_min) - SOFT * _meant(e.soft)
        parts = [(("time_grain", e.grain), 1.0), *bag_t, (("liking", ""), f.step_log)]
        out.append(_Row(e.id, z, NOISE_TIME[e.soft is None], parts, age, False, e.day))
    return out


def _solve(keys: list[Key], rows: list[_Row]) -> tuple[dict[Key, float], dict[Key, float]]:
    """(value, standard deviation with the others as they are) of each key: normal equations with the priors on the diagonal, by Gaussian
    elimination; they are positive definite, so no pivot is sought."""
    at = {k: i for i, k in enumerate(keys)}
    n = len(keys)
    a = [[0.0] * (n + 1) for _ in range(n)]
    for k, i in at.items():
        a[i][i] = 1.0 / PRIOR[k[0]] ** 2
    for r in rows:
        w = r.age * r.trust / (r.noise * r.rough) ** 2
        for k, x in r.parts:
            row = a[at[k]]
            row[n] += w * x * r.y
            for other, z in r.parts:
                row[at[other]] += w * x * z
    sd = {k: 1.0 / math.sqrt(a[i][i]) for k, i in at.items()}
    for i in range(n):
        pivot = a[i]
        for j in range(i + 1, n):
            if a[j][i]:
                share = a[j][i] / pivot[i]
                row = a[j]
                for c in range(i, n + 1):
                    row[c] -= share * pivot[c]
    found = [0.0] * n
    for i in reversed(range(n)):
        found[i] = (a[i][n] - sum(a[i][c] * found[c] for c in range(i + 1, n))) / a[i][i]
    return {k: found[i] for k, i in at.items()}, sd
