"""The practice pot: given a grain, a pot and a lid, guess water and minutes; the simulation shows what comes of it, and why.

Which grain comes next is drawn by what was guessed badly: a grain's weight is its recent mean error, one never tried has UNTRIED.
"""

from __future__ import annotations

import random
from collections.abc import Sequence
from dataclasses import dataclass, replace

from .grains import all_grains, grain
from .pot import Kitchen, Pot, default_way, solve
from .pot.simulation import Run, simulate
from .pot.ways import LIDS
from .problems import Refusal

UNTRIED, LEAST = 0.25, 0.04
# the newest tries of a grain that count
RECENT = 5
AMOUNTS = (200, 240, 300, 360, 450)
_LIDS = ("tight", "ordinary", "ajar", "open")
_UNDER = {
    "sealed": "under a sealed lid",
    "tight": "under a tight lid",
    "ordinary": "under an ordinary lid",
    "ajar": "with the lid ajar",
    "open": "without a lid",
}


@dataclass(frozen=True, slots=True)
class Task:
    """dry_ml of a grain in a pot so wide under this lid, to this texture; unsoaked."""

    grain: str
    dry_ml: int
    pot_cm: float
    lid: str
    texture: float


@dataclass(frozen=True, slots=True)
class Try:
    """What was guessed of one task, as shares off the mark: −0.2 = a fifth too little."""

    grain: str
    water_off: float
    time_off: float

    @property
    def error(self) -> float:
        return (min(1.0, abs(self.water_off)) + min(1.0, abs(self.time_off))) / 2


@dataclass(frozen=True, slots=True)
class Judged:
    """plan: the pot as reckoned; run: as guessed. why: the account in sentences, largest first."""

    pot: Pot
    plan: Run
    run: Run
    mark: Try
    said: str
    why: tuple[str, ...]


def told(task: Task, kitchen: Kitchen) -> str:
    """The task in a sentence, as this kitchen says amounts and lengths."""
    g = grain(task.grain)
    said = f"{task.dry_ml} ml of {g.name} in a pot {task.pot_cm:g} cm wide, {_UNDER[task.lid]}, to come out {g.texture_word(task.texture)}. Not soaked."
    return kitchen.says(said)


def pot_of(task: Task, kitchen: Kitchen | None = None) -> Pot:
    """The solved pot of a task; Refusal if it was not set here. kitchen: how its household says amounts; the pot is the task's."""
    if task.grain not in grains_trained():
        raise Refusal("grain", "grain", "That grain is not cooked in the practice pot: ask for another.")
    if not (50 <= task.dry_ml <= 2000 and task.lid in LIDS):
        raise Refusal("task", "", "That practice pot cannot be: ask for another.")
    g = grain(task.grain)
    return solve(
        g,
        float(task.dry_ml),
        default_way(g, "open" if task.lid == "open" else "covered", task.texture, task.lid),
        replace(kitchen or Kitchen(), pot_cm=task.pot_cm),
    )


def grains_trained() -> list[str]:
    """Those that are simmered under a lid or without, whose water and minutes are both to be known."""
    return [g.slug for g in all_grains() if "covered" in g.methods and g.simmer >= 4 and not g.quick]


def next_task(tries: Sequence[Try], pots: Sequence[float], seed: int) -> Task:
    """tries: newest first. pots: the widths of the household's pots. The same seed gives the same task."""
    rng = random.Random(seed)  # noqa: S311 - a game
    slugs = grains_trained()
    weights = []
    for slug in slugs:
        mine = [t.error for t in tries if t.grain == slug][:RECENT]
        weights.append(max(LEAST, sum(mine) / len(mine)) if mine else UNTRIED / (1 if tries else 2))
    slug = rng.choices(slugs, weights)[0]
    g = grain(slug)
    low, high = g.texture_range()
    texture = min(max(float(rng.choice((0, 1, 1, 2, 3))), low), high)
    lids = [lid for lid in _LIDS if lid != "open" or "open" in g.methods]
    return Task(slug, rng.choice(AMOUNTS), rng.choice(list(pots) or [20.0]), rng.choice(lids), texture)


def judge(task: Task, pour_ml: float, minutes: float, kitchen: Kitchen | None = None) -> Judged:
    """What comes of the guess. kitchen: how its household says amounts."""
    if not 0 <= pour_ml <= 20000:
        raise Refusal("pour_ml", "pour_ml", "Pour between 0 and 20,000 ml; give an amount in between.")
    if not 0 <= minutes <= 240:
        raise Refusal("minutes", "minutes", "Cook between 0 and 240 minutes; give a time in between.")
    pot = pot_of(task, kitchen)
    plan = simulate(pot)
    run = simulate(pot, pour_ml, minutes)
    mark = Try(task.grain, pour_ml / max(1.0, pot.raw_pour_ml) - 1, minutes / max(1.0, pot.cook_min) - 1)
    return Judged(pot, plan, run, mark, _said(pot, mark), _why(pot))


def _said(pot: Pot, mark: Try) -> str:
    def off(x: float, good: float) -> str:
        return "right" if abs(x) <= good else f"{abs(x):.0%} too {'much' if x > 0 else 'little'}"

    return pot.kitchen.says(
        f"Water: {off(mark.water_off, 0.06)}, it takes {pot.pour_ml} ml. Time: {off(mark.time_off, 0.1).replace('much', 'long').replace('little', 'short')}, it takes {pot.cook_typical} minutes."
    )


def _why(pot: Pot) -> tuple[str, ...]:
    rows = sorted(pot.ledger(), key=lambda r: -abs(r[1]))
    says = pot.kitchen.says
    return tuple(f"{'+' if ml > 0 else '−'}{says(f'{abs(ml)} ml')}: {because}." for _, ml, because in rows[:4] if ml)
