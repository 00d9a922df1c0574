"""The pot minute by minute: temperature, free water, hydration, doneness; and what comes of a changed lid, pour or time.

The closed form (account.py) answers "how much and how long". This answers "what if". Both rest on the same figures, but
the simulation gets there by steps: water leaves at a rate while it boils, the grain takes up water as its thermal dose grows and
only while there is water, heat is stored and lost. From the boil on the two agree within 5 % (tests hold it on a grid).

Dose. One minute at the method's own temperature (100 °C at the sea, 117 °C under pressure) counts one; a colder minute
counts exp(−6014 · (1/T − 1/T_ref)). A dose of the grain's fluffy minutes is "fluffy"; the texture factors of the time law say
how much dose each texture takes, and so, read backwards, how much water the grain can hold at a dose.

A case by hand: 240 ml of quinoa, 384 ml poured and 21 carried: 15 minutes at 100 °C are dose 1.0, hydration 1.9; 57 ml have left
at 3.77 a minute and 20 on the way up; 405 − 77 − 328 = 0 ml free: done when dry.

A change is judged by the pot's own plan: what it leaves in the pot, and how done the grain is, beside what the plan does (docs/decisions/0027).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ..results import Point
from .account import (
    BAND_WATER,
    GRAIN_J,
    PRESSURE_C,
    TEXTURE_TIME,
    THIRSTIEST,
    WATER_J,
    Pot,
    between,
    boil_rate,
    boiling_point,
    heat_factor,
    power,
    solve,
)
from .methods import method
from .ways import Kitchen

STEP_MIN = 0.25
# free water below this wets nothing: the pot is dry
DRY_ML = 2.0
# time constants of a pot off the heat, closed and open
CLOSED_MIN, OPEN_MIN = 90.0, 35.0
# minutes a dry pot stands on low heat before it catches; slow ways as this share of theirs
GRACE_MIN, GRACE_SHARE = 2.0, 0.05
# how far off is still right, as a share of what the grain drinks
CLOSE = 0.08
# so much of the broth that is to stay may be missing
BROTH_SHORT = 0.3


@dataclass(frozen=True, slots=True)
class Moment:
    """One step: minutes since the heat went on, °C, free water ml, g water per g grain, dose (1 = done as wanted)."""

    minute: float
    celsius: float
    free_ml: float
    hydration: float
    dose: float


@dataclass(frozen=True, slots=True)
class Verdict:
    """What came of it. code: right, dry, scorched, hard-cored, wet, soup, mushy. minute: when it happens, from heat on."""

    code: str
    minute: float
    text: str
    add_ml: int = 0
    add_min: int = 0


@dataclass(frozen=True, slots=True)
class Run:
    """boiled_off_ml: what left at the boil; lost_ml: with what left on the way there. drunk_beside_ml: by the other things in the pot. What
    was poured, carried and added = free + in the grain + lost + drunk beside, at every moment."""

    moments: tuple[Moment, ...]
    boil_at: float
    off_at: float
    boiled_off_ml: float
    lost_ml: float
    drunk_beside_ml: float
    done_at: float | None
    dry_at: float | None
    verdict: Verdict


def simulate(
    pot: Pot,
    pour_ml: float | None = None,
    minutes: float | None = None,
    lid: str | None = None,
    start: str = "cold",
    top_ups: tuple[tuple[float, float], ...] = (),
    lids: tuple[tuple[float, str], ...] = (),
    boils_at: float | None = None,
) -> Run:
    """Runs the pot with its own plan, or with another pour (ml), other minutes at the boil, or another lid.

    start: "cold" or "boil" (liquid and grain meet at the boil). top_ups: (minute from heat on, ml of boiling water). lids: (minute
    from heat on, the lid from then). boils_at: the minute it was seen to boil, where that is known.
    """
    plan = _Plan(pot, pour_ml, minutes, lid)
    usual = _Plan(pot, None, None, None)
    own = _steps(usual, start)
    if (pour_ml, minutes, lid, top_ups, lids, boils_at) == (None, None, None, (), (), None):
        run = own
    else:
        # what its own plan lets stand dry at the end does not burn here either
        plan.grace += own.dry_min
        run = _steps(
            plan, start, sorted(top_ups), [(at, _rate(pot, name) * plan.scale) for at, name in sorted(lids)], boils_at
        )
    return Run(
        tuple(run.out),
        max(0.0, run.boil_at),
        run.off_at,
        run.boiled_off,
        run.boiled_off + run.lost_up,
        run.drunk_beside,
        run.done_at,
        run.dry_at,
        _judge(plan, run, own),
    )


@dataclass(slots=True)
class _Steps:
    """A run as it went, not yet judged. off_at, boil_at, done_at, dry_at, scorch_at: minutes from heat on; the rest ml."""

    out: list[Moment]
    boil_at: float
    off_at: float
    boiled_off: float
    lost_up: float
    drunk_beside: float
    done_at: float | None
    dry_at: float | None
    scorch_at: float | None
    judged_at: Moment

    @property
    def dry_min(self) -> float:
        """Minutes at the heat with nothing left to boil."""
        return 0.0 if self.dry_at is None else max(0.0, self.off_at - self.dry_at)


def _steps(
    plan: _Plan,
    start: str,
    waiting: Sequence[tuple[float, float]] = (),
    rates: Sequence[tuple[float, float]] = (),
    boils_at: float | None = None,
) -> _Steps:
    """The pot step by step. waiting: (minute, ml of boiling water), rates: (minute, ml a minute), each by its minute."""
    pot = plan.pot
    waiting, rates = list(waiting), list(rates)
    if plan.up_fixed is not None:
        # its minutes count from the start: an oven's, a slow cooker's
        start = "boil"
    # liquid that meets the grain at the boil has lost on the way what the pour allowed for
    lost_up = min(plan.water, plan.up_loss) if start == "boil" else 0.0
    free, dose, hydration = plan.water - lost_up, 0.0, plan.h0
    celsius = plan.boil if start == "boil" else pot.kitchen.room_c
    minute, boil_at, boiled_off, drunk_beside = 0.0, 0.0 if start == "boil" else -1.0, 0.0, 0.0
    off_at = done_at = dry_at = scorch_at = None
    out = [Moment(0.0, celsius, free, hydration, dose)]
    end = math.inf
    while minute < end and minute < 600:
        minute += STEP_MIN
        heating = off_at is None
        while waiting and waiting[0][0] <= minute:
            free += waiting.pop(0)[1]
            dry_at = None if off_at is None else dry_at
        while rates and rates[0][0] <= minute:
            plan.rate = rates.pop(0)[1]
        if heating and celsius > plan.boil and free > DRY_ML:
            celsius = plan.boil  # boiling water cools a dry pot at once
        if heating and celsius < plan.boil - 0.01:
            climb = (
                plan.power_c(free) if boils_at is None else (plan.boil - pot.kitchen.room_c) / max(boils_at, STEP_MIN)
            )
            celsius = min(plan.boil, celsius + climb * STEP_MIN)
            gone = min(free, plan.up_loss * climb * STEP_MIN / max(1.0, plan.boil - pot.kitchen.room_c))
            free, lost_up = free - gone, lost_up + gone
            if celsius >= plan.boil - 0.01:
                boil_at = minute
        elif heating:
            lost = min(free, plan.rate * STEP_MIN)
            free -= lost
            boiled_off += lost
            if free <= DRY_ML and boil_at >= 0:
                dry_at = dry_at if dry_at is not None else minute
                celsius = min(180.0, celsius + 12.0 * STEP_MIN)  # a dry pot climbs quickly
                if scorch_at is None and minute - dry_at >= plan.grace and not plan.ends_dry:
                    scorch_at = minute
        else:
            celsius += (pot.kitchen.room_c - celsius) * (1 - math.exp(-STEP_MIN / plan.cool_min))
        if boil_at >= 0 or start == "boil":
            dose += STEP_MIN / heat_factor(min(celsius, plan.boil), plan.reference) / plan.full_min
            wanted = min(plan.capacity(dose), plan.h_most)
            drunk = min(free, max(0.0, wanted - hydration) * plan.m)
            free, hydration = free - drunk, hydration + drunk / plan.m
            # other absorbers drink along, over the same minutes
            thirst = min(free, plan.thirst * STEP_MIN / plan.minutes) if heating and plan.minutes else 0.0
            free, drunk_beside = free - thirst, drunk_beside + thirst
        if done_at is None and dose >= 1.0 - 1e-9:
            done_at = minute
        out.append(Moment(minute, celsius, max(0.0, free), hydration, dose))
        stop = boil_at >= 0 and minute - boil_at >= plan.minutes - 1e-9
        if plan.ends_dry and dry_at is not None:
            stop = True
        if heating and stop:
            off_at = minute
            end = minute + pot.release_min + pot.rest_min
    off = off_at if off_at is not None else minute
    # where the rest cooks, it is judged when that is over
    judged = out[-1] if pot.way.row.rest_times else min(out, key=lambda x: abs(x.minute - off))
    return _Steps(out, boil_at, off, boiled_off, lost_up, drunk_beside, done_at, dry_at, scorch_at, judged)


class _Plan:
    """The constants of one run, from the solved pot and what was changed."""

    def __init__(self, pot: Pot, pour_ml: float | None, minutes: float | None, lid: str | None) -> None:
        grain, way, kitchen = pot.grain, pot.way, pot.kitchen
        self.m = pot.dry_g
        self.pot = pot
        rows = {r.term: 0.0 for r in pot.rows}
        for r in pot.rows:
            rows[r.term] += r.amount
        self.h0 = pot.uptake
        # in plenty of water it is only more or less of what is poured off
        habit = 0.0 if way.row.plenty else rows.get("recipe_habit", 0.0)
        off, drink = pot.loss_ml, pot.drinks_ml
        # a recipe that pours more than its grain needs has a thirstier pot, one that pours less a tighter one, within reason …
        by_pot = max(-off * (1 - 1 / THIRSTIEST), min(off * (THIRSTIEST - 1), habit))
        self.scale = 1 + by_pot / off if off > 1 else 1.0
        rest = habit - by_pot
        # … what is more either stands over the grain or is drunk by the dish; what is less makes a drier grain
        self.broth = rows.get("broth", 0.0) + (max(0.0, rest) if pot.swims else 0.0)
        self.thirst = rows.get("absorber", 0.0) + (0.0 if pot.swims else max(0.0, rest))
        drier = min(max(0.0, -rest), BAND_WATER * drink)
        # and so far the account itself is out: no habit makes a dry pot right, and no plan one that holds too much already
        self.out_by = max(0.0, -pot.raw_pour_ml) - (max(0.0, -rest) - drier)
        target = max(self.h0 + 0.05, (drink - drier) / self.m)
        self.stretch = target / grain.hydration_at(way.texture)
        self.target = target
        self.low = grain.texture_range()[0]
        self.h_most = grain.hydration_at(grain.texture_range()[1]) * self.stretch
        kept_in = pot.uptake * self.m if way.soak_water == "kept" and way.soak_min and not way.sprouted else 0.0
        # a head start has boiled off before the grain is in
        already = -sum(rows.get(term, 0.0) for term in ("cling", "roast", "brought", "splash", "head_start"))
        self.poured = max(0.0, pot.raw_pour_ml) if pour_ml is None else pour_ml
        solids = rows.get("stock_solids", 0.0)
        water = self.poured * (1 - solids / pot.raw_pour_ml if pot.raw_pour_ml > 0 else 1.0)
        self.water = max(0.0, water + already - kept_in)
        self.boil, self.reference = _temperatures(pot)
        self.minutes = pot.cook_min if minutes is None else minutes
        self.full_min = _sea_level_minutes(pot) + self._resting(pot)
        self.factor = between(TEXTURE_TIME, way.texture)
        self.rate = _rate(pot, lid) * self.scale
        self.up_loss = rows.get("come_up", 0.0)
        if lid is not None and way.method in ("covered", "open", "off-heat"):
            self.up_loss = method("open" if lid == "open" else "covered").up_loss
        self.ends_dry = way.row.ends_dry
        self.up_fixed = way.row.up_fixed
        self.grace = max(GRACE_MIN, GRACE_SHARE * (pot.cook_min if minutes is None else minutes))
        self.cool_min = CLOSED_MIN if (lid or way.lid) != "open" else OPEN_MIN
        self.watts = power(way, kitchen)

    def _resting(self, pot: Pot) -> float:
        """Minutes at full heat that a rest is worth which does the cooking: of the off-heat way, in a pot that cools under its lid."""
        if not pot.way.row.rest_times:
            return 0.0
        room, worth, at = pot.kitchen.room_c, 0.0, 0.0
        while at < pot.rest_min:
            at += STEP_MIN
            celsius = room + (self.boil - room) * math.exp(-at / CLOSED_MIN)
            worth += STEP_MIN / heat_factor(celsius, self.reference)
        return worth

    def power_c(self, free: float) -> float:
        """°C a minute on the way up."""
        return self.watts * 60 / max(50.0, free * WATER_J + self.m * (GRAIN_J + self.h0 * WATER_J))

    def capacity(self, dose: float) -> float:
        """g water a g of grain can hold at this dose (1 = the wanted texture reached)."""
        at = dose * self.factor
        grain = self.pot.grain
        first = TEXTURE_TIME[int(self.low)]
        if at <= first:
            driest = grain.hydration_at(self.low) * self.stretch
            # most of the water goes in early: the outside swells before the middle is tender
            return self.h0 + max(0.0, driest - self.h0) * math.pow(at / first, 0.75)
        return grain.hydration_at(_coordinate(at, grain.texture_range()[1])) * self.stretch


def _coordinate(factor: float, most: float) -> float:
    """The texture whose time factor this is: the time law read backwards."""
    for i in range(len(TEXTURE_TIME) - 1):
        a, b = TEXTURE_TIME[i], TEXTURE_TIME[i + 1]
        if factor <= b:
            return min(most, i + (factor - a) / (b - a))
    return most


def _temperatures(pot: Pot) -> tuple[float, float]:
    """(°C while cooking, °C at which the minutes count fully)."""
    if pot.way.locked:
        return PRESSURE_C - max(0.0, pot.kitchen.altitude_m) / 400, PRESSURE_C
    return boiling_point(pot.kitchen.altitude_m), 100.0


def _sea_level_minutes(pot: Pot) -> float:
    """Minutes at the reference temperature that make a dose of 1: the same pot at the sea."""
    if not pot.kitchen.altitude_m:
        return pot.cook_min or 1.0
    k = pot.kitchen
    sea = replace(k, altitude_m=0.0)
    own = solve(pot.grain, pot.dry_ml, pot.way, sea).cook_min
    habit = sum(r.amount for r in pot.minutes if r.term == "recipe_habit")
    return (own + habit) or 1.0


def _rate(pot: Pot, lid: str | None) -> float:
    """ml a minute at the boil."""
    if lid is None or lid == pot.way.lid:
        row = pot.loss_ml
        return row / pot.cook_min if pot.cook_min else 0.0
    return boil_rate(pot.grain, pot.way, pot.kitchen, lid)


def _judge(plan: _Plan, run: _Steps, own: _Steps) -> Verdict:
    """own: the pot as planned, whose doneness and water are what is wanted; a change is judged by what it makes of them."""
    last, wanted, off = run.out[-1], own.out[-1], run.judged_at.minute
    dose = run.judged_at.dose / max(own.judged_at.dose, 0.01)
    drink = max(1.0, plan.m * plan.target)
    # water in the pot at the end beside what its plan has there: in the grain, in the other things, and free
    in_grain = (last.hydration - wanted.hydration) * plan.m
    free = last.free_ml - wanted.free_ml + plan.out_by
    over = in_grain + free + run.drunk_beside - own.drunk_beside
    plenty = plan.pot.way.row.plenty
    short = max(0.0, -in_grain if plenty else -over)
    more_min = max(1, math.ceil((1.0 - dose) * plan.full_min)) if dose < 0.99 else 2
    splash = 10 * max(1, round((short + plan.rate * more_min) / 10))
    if run.scorch_at is not None:
        return Verdict(
            "scorched",
            run.scorch_at,
            f"Dry at minute {run.dry_at or 0:.0f}, caught by minute {run.scorch_at:.0f}: take it off, do not stir, lift the good grain into "
            f"another pot, add {splash} ml of boiling water and give it {more_min} more minutes.",
            splash,
            more_min,
        )
    if dose < 0.85:
        wet = last.free_ml > 0.05 * drink
        pour = 0 if wet else splash
        return Verdict(
            "hard-cored",
            off,
            f"Off the heat too soon: the middle is still hard. {'There is water enough: ' if wet else f'Pour {splash} ml of boiling water and '}"
            f"give it {more_min} more minutes under the lid.",
            pour,
            more_min,
        )
    if plan.broth > 1 and over < -BROTH_SHORT * plan.broth:
        return Verdict(
            "dry",
            run.dry_at or off,
            f"Of the {plan.broth:.0f} ml of broth that are to stay {max(0.0, last.free_ml):.0f} are left: pour {10 * round(-over / 10)} ml more, hot.",
            10 * round(-over / 10),
        )
    if not plenty and free > 0.35 * drink + BROTH_SHORT * plan.broth:
        return Verdict("soup", off, f"{free:.0f} ml stay in the pot: drain it, or call it soup.")
    if dose > 1.5 and in_grain > CLOSE * drink:
        return Verdict(
            "mushy",
            min(m.minute for m in run.out if m.dose > 1.5 * own.judged_at.dose),
            "It cooked on with water to drink and went soft: off the heat now, lid off, spread it out.",
        )
    if not plenty and over > CLOSE * drink + BROTH_SHORT * plan.broth:
        dry_min = max(1, round(over / max(plan.rate * 3, 8)))
        return Verdict(
            "wet",
            off,
            f"{over:.0f} ml too much, and the grain drinks it: softer than wanted. Lid off, low heat, about {dry_min} "
            "minutes, or pour it off before the rest.",
            0,
            dry_min,
        )
    if short > CLOSE * drink + BROTH_SHORT * plan.broth:
        return Verdict(
            "dry",
            run.dry_at or off,
            f"The water was gone early and the grain is drier than wanted: sprinkle {splash} ml of boiling water over it, cover, and rest {more_min + 3} minutes.",
            splash,
            more_min + 3,
        )
    return Verdict("right", off, _as_it_should(plan, last))


def _as_it_should(plan: _Plan, last: Moment) -> str:
    if plan.pot.way.method == "drain":
        return f"The grain is tender, in about {last.free_ml:.0f} ml of water: drain it now."
    if plan.pot.way.method == "steam":
        return f"The grain is tender, and about {last.free_ml:.0f} ml of water are left under it."
    if plan.broth > 1:
        return f"The grain is tender, and about {last.free_ml:.0f} ml of broth stay with it."
    if plan.pot.creamy:
        return "Stock gone and grain done at the same time: to the table, for it sets as it stands."
    return "Water gone and grain done at the same time. Rest it closed, then loosen."


def curve(run: Run, kitchen: Kitchen, most: int = 90) -> list[Point]:
    """The run thinned to at most so many points, for drawing; the last point always among them."""
    every = max(1, math.ceil(len(run.moments) / most))
    picked = [m for i, m in enumerate(run.moments) if i % every == 0 or i == len(run.moments) - 1]
    return [
        {
            "minute": round(m.minute, 2),
            "celsius": round(m.celsius, 1),
            "free_ml": round(m.free_ml, 1),
            "left": kitchen.manner.roughly(m.free_ml, kitchen.measures),
            "hydration": round(m.hydration, 3),
            "done": round(min(1.6, m.dose), 3),
        }
        for m in picked
    ]
