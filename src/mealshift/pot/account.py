"""The water account and the time law: one grain in one pot.

The problem. A packet says "1 to 2½" and is right for one pot, one lid, one amount. What is true in every
pot is an account, in grams (1 g of water = 1 ml):

    m       = dry volume × bulk density
    uptake  = u_max · t / (t + t_half)                     soak of t minutes
    cling   = max(0, 0.06 − uptake) · m                    water that rinsed, drained grain carries
    boiloff = area · rate(lid, heat) · thickness · minutes at the boil + come-up loss
    need    = m · (hydration − uptake) − cling + boiloff + other absorbers + what is drained off
    pour    = need − water brought by other liquids

A case by hand: 240 ml of quinoa (172.8 g) to fluffy, rinsed, 20 cm pot, ordinary lid: drinks 172.8 × 1.9 = 328;
carries 0.06 × 172.8 = 10; boils off 314 cm² × 0.018 × 15 = 85, and 20 on the way to the boil: pour 423, "1 to 1.8".
Lid rates, cling and the weakest hydrations were fitted to usual practice together: docs/decisions/0010.

The compromise: boil-off is a constant rate from the boil to heat-off, and the come-up loss a constant;
the minute-by-minute pot is needed only for "what if".
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import NamedTuple

from ..grains import TEXTURES, Grain
from ..measures import MEASURE_ML, WHISTLE_MIN, in_vessels, jug_ml, largest_remainder, round_half_up
from ..problems import Problem
from ..results import PotAlone, Roast, Said
from .ways import BRISK, CLOTH_G, EVAPORATION, Factors, Kitchen, Way, default_way

CLING = 0.06
BAND_WATER = 0.12
BAND_TIME = 0.15
# a pot may lose so many times what is reckoned, or as many times less: a recipe's habit beyond that is not its pot's
THIRSTIEST = 2.0
OLD_BAG = 1.10
SPROUT_TIME, SPROUT_UPTAKE = 0.7, 0.45
TEXTURE_TIME = (0.9, 1.0, 1.1, 1.25, 1.6, 2.5)
# from here on what is stirred in an open pot is to be creamy
CREAMY = 1.5
COOKED_DENSITY = (0.65, 0.70, 0.80, 0.90, 1.0, 1.0)
# a thick pot gives its water up slowly: share of the boil-off that a meal loses, and a grain that is cooked to a porridge
THICK_MEAL, THICK_PORRIDGE = 0.4, 0.6
# of its dry volume, the water that stands between the grains and not above them
BETWEEN = 0.4
# broth beside each volume of dry grain, where a soup does not say how much of it is to stay
SOUP_TIMES = 5.0
# a soak of more than this many minutes, in a kitchen warmer than this, stands in the fridge at so many °C
FRIDGE_FROM_MIN, FRIDGE_ABOVE_C, FRIDGE_C = 240.0, 21.0, 5.0
# a layer of dry grain thinner than this (cm) is no pot of grain: its ratio would say nothing
ABSURD_CM = 0.12
DRAIN_TIMES_VOLUME = 6.0
PRESSURE_C = 117.0
WATER_J, GRAIN_J = 4.186, 1.8
STEAMER_BASE_ML = 300.0


class Row(NamedTuple):
    """One signed line of a ledger: millilitres or minutes, with the sentence that explains it."""

    term: str
    amount: float
    because: str
    # where it comes from, or goes, in a few words for a drawing's label
    where: str = ""


@dataclass(frozen=True, slots=True)
class Brought:
    """Water (ml) that something other than the poured liquid brings into the pot; negative: it drinks."""

    name: str
    ml: float


# as much again as the grain takes up, that stays over it, is no habit of wet rice but a broth
STAYS = 1.0


class Pot(NamedTuple):
    """The solved pot. All figures unrounded; `ledger()` and `report()` round once, at the end. A tuple, as its rows are: a shelf of grains is made of hundreds."""

    grain: Grain
    way: Way
    kitchen: Kitchen
    dry_ml: float
    rows: tuple[Row, ...]
    minutes: tuple[Row, ...]
    need_ml: float
    raw_pour_ml: float
    uptake: float
    come_up_min: float
    cook_min: float
    release_min: float
    rest_min: float
    practice: bool
    plenty: bool
    problems: tuple[Problem, ...] = ()

    @property
    def dry_g(self) -> float:
        return self.dry_ml * self.grain.density

    @property
    def pour_ml(self) -> int:
        return max(0, round_half_up(self.raw_pour_ml))

    @property
    def high_ml(self) -> int:
        if self.plenty or self.way.broth_ml is not None or self.way.method == "soup":
            # what is too much or too little is broth
            return self.pour_ml
        return max(self.pour_ml, round_half_up(self.raw_pour_ml + BAND_WATER * self.need_ml))

    @property
    def low_ml(self) -> int:
        return (
            self.high_ml
            if self.high_ml == self.pour_ml
            else max(0, round_half_up(self.raw_pour_ml - BAND_WATER * self.need_ml))
        )

    @property
    def cook_typical(self) -> int:
        return max(1, round_half_up(self.cook_min)) if self.cook_min else 0

    @property
    def kettle_ml(self) -> int:
        """The reserve as a kettle is filled: to the next ten."""
        return 10 * math.ceil((self.high_ml - self.pour_ml) / 10)

    @property
    def loss_ml(self) -> float:
        """What it loses from the boil on, into the air and the cloth."""
        return sum(r.amount for r in self.rows if r.term in ("boil_off", "cloth"))

    @property
    def drinks_ml(self) -> float:
        """What its grain drinks to come out as it is to."""
        return sum(r.amount for r in self.rows if r.term in ("grain", "age", "learnt"))

    @property
    def bears_ml(self) -> float:
        """By so much a pour may fall short and the grain is still as it should be: the pot is tighter than reckoned, the grain a little drier.

        By hand: quinoa that drinks 328 ml in a pot that loses 85: half of 85, and an eighth of 328: 82 ml.
        """
        return self.loss_ml * (1 - 1 / THIRSTIEST) + self.drinks_ml * BAND_WATER

    @property
    def swims(self) -> bool:
        """Is a broth to be left over the grain, whatever it is cooked in? By hand: 128 g of quinoa that drink 314 ml, with 1.4 litres at pressure."""
        left = sum(r.amount for r in self.rows if r.term in ("broth", "recipe_habit"))
        drinks = sum(r.amount for r in self.rows if r.term == "grain")
        return self.way.method == "soup" or (self.way.texture < 2.5 and left > STAYS * drinks)

    @property
    def creamy(self) -> bool:
        """Is it stirred in an open pot, as a risotto is, and no drier at the end than it is to be?"""
        return self.way.method == "open" and CREAMY <= self.way.texture < 2.5 and not (self.swims or self.grain.is_meal)

    @property
    def sign(self) -> str:
        """The sign that it is done, in this pot: in a soup, in plenty of water or over it the grain is tender, and water that is left says nothing."""
        if self.creamy:
            return f"{self.grain.tender()[:-1]}; a spoonful spreads slowly on the plate."
        plenty = self.swims or (self.way.method in ("drain", "steam") and self.way.texture < 2.5)
        return self.grain.tender() if plenty else self.grain.sign(self.way.texture)

    @property
    def whistles(self) -> int:
        """So many whistles of this kitchen's cooker are its minutes at pressure."""
        return self.way.whistles or max(1, round_half_up(self.cook_min / self.kitchen.whistle_min))

    @property
    def cooked_g(self) -> float:
        return self.dry_g * (1 + self.grain.hydration_at(self.way.texture))

    @property
    def cooked_ml(self) -> float:
        return self.cooked_g / between(COOKED_DENSITY, self.way.texture)

    def ledger(self) -> list[tuple[str, int, str]]:
        """Integer rows that sum to pour_ml exactly; what comes to nothing has no row."""
        return [(r.term, ml, r.because) for r, ml in self.whole_rows()]

    def whole_rows(self) -> list[tuple[Row, int]]:
        """The rows of the ledger, each with its integer share."""
        whole = largest_remainder([r.amount for r in self.rows], self.pour_ml)
        return [(r, ml) for r, ml in zip(self.rows, whole, strict=True) if ml]

    def time_ledger(self) -> list[tuple[str, int, str]]:
        """Integer rows that sum to total_min exactly; the cooking rows among them to the cooking time."""
        cooking = [r for r in self.minutes if r.term not in ("come_up", "release", "rest")]
        whole = dict(
            zip(map(id, cooking), largest_remainder([r.amount for r in cooking], self.cook_typical), strict=True)
        )
        fixed = {
            "come_up": round_half_up(self.come_up_min),
            "release": round_half_up(self.release_min),
            "rest": round_half_up(self.rest_min),
        }
        return [(r.term, fixed[r.term] if r.term in fixed else whole[id(r)], r.because) for r in self.minutes]

    @property
    def total_min(self) -> int:
        return (
            round_half_up(self.come_up_min)
            + self.cook_typical
            + round_half_up(self.release_min)
            + round_half_up(self.rest_min)
        )


def between(points: tuple[float, ...], coordinate: float) -> float:
    """Linear interpolation on the texture coordinate 0 … len(points) - 1."""
    below = min(int(coordinate), len(points) - 2)
    return points[below] + (coordinate - below) * (points[below + 1] - points[below])


def soak_c(soak_min: float, room_c: float) -> float:
    """°C of the water a soak stands in: the room's, or the fridge's where a long one would go sour."""
    return FRIDGE_C if soak_min > FRIDGE_FROM_MIN and room_c > FRIDGE_ABOVE_C else room_c


def uptake(grain: Grain, soak_min: float, room_c: float, sprouted: bool = False) -> float:
    """g water per g dry grain taken up in a soak of that many minutes in that kitchen."""
    if sprouted:
        return SPROUT_UPTAKE
    if grain.parts:
        return sum(w * uptake(g, soak_min, room_c) for g, w in mass_shares(grain))
    if not grain.soak or soak_min <= 0:
        return 0.0
    t_half = grain.soak.t_half * 2 ** ((20.0 - soak_c(soak_min, room_c)) / 10)
    return grain.soak.u_max * soak_min / (soak_min + t_half)


def mass_shares(grain: Grain) -> list[tuple[Grain, float]]:
    """The grains of a blend with their shares of its weight; a single grain has all of it."""
    return [(g, g.density * s / grain.density) for g, s in grain.parts] if grain.parts else [(grain, 1.0)]


def boiling_point(altitude_m: float) -> float:
    """°C. Good to a degree below 5,000 m."""
    return 100.0 - altitude_m / 300.0


def heat_factor(celsius: float, reference_c: float = 100.0) -> float:
    """How much longer (over 1) or shorter (under 1) grain takes at `celsius` than at `reference_c`.

    >>> round(heat_factor(95.0), 2)      # 1,500 m: usual advice is about a quarter longer
    1.24
    """
    return math.exp(6014.0 * (1 / (celsius + 273.15) - 1 / (reference_c + 273.15)))


_NOTHING_LEARNT = Factors()


def solve(
    grain: Grain,
    dry_ml: float,
    way: Way,
    kitchen: Kitchen | None = None,
    factors: Factors | None = None,
    brought: tuple[Brought, ...] = (),
    habit_ml: float = 0.0,
    habit_min: float = 0.0,
    cook_min: float | None = None,
    carrier_fraction: float = 1.0,
    rest_min: float | None = None,
    before_min: float = 0.0,
    finish_min: float = 0.0,
) -> Pot:
    """Water and time for `dry_ml` millilitres of dry grain.

    brought: water that comes with other things in the pot (negative: other absorbers). habit_ml, habit_min: what
    a recipe pours and cooks beyond its own grain's account. cook_min: minutes at the boil, when a recipe
    states them; else the law gives them. carrier_fraction: water per ml of what is poured (stock 0.98).
    rest_min: a recipe's own rest, moved to this grain; else the grain's. before_min: minutes at the boil before the grain goes in.
    finish_min: minutes at the heat when the pressure is down, when it is drained or filled into something, as the recipe has them.
    """
    kitchen, factors, row = kitchen or Kitchen(), factors or _NOTHING_LEARNT, way.row
    m = dry_ml * grain.density
    u = uptake(grain, way.soak_min, kitchen.room_c, way.sprouted)
    minutes, practice = _cooking(grain, way, kitchen, factors, u)
    if cook_min is not None:
        minutes.append(Row("recipe_habit", cook_min - sum(r.amount for r in minutes), "the recipe's own minutes"))
    elif habit_min:
        longer = "longer" if habit_min > 0 else "less"
        minutes.append(
            Row("recipe_habit", habit_min, f"the recipe's habit: it cooks its own grain {longer} than usual")
        )
    if finish_min and cook_min is None:
        minutes.append(Row("finish", finish_min, "afterwards, as the recipe has it"))
    cook = sum([r.amount for r in minutes])

    rows = _grain_rows(grain, way, m, u, factors, kitchen.room_c)
    rows += _boil_off(way, kitchen, factors, cook, grain)
    if before_min and not row.locked:
        off = before_min * kitchen.area_cm2 * kitchen.boil_off * EVAPORATION[way.lid] * factors.boil_off
        rows.append(Row("head_start", off, f"boils off in the {before_min:.0f} minutes before the grain goes in"))
    if row.slug == "soup" or way.broth_ml:
        broth = SOUP_TIMES * dry_ml if way.broth_ml is None else way.broth_ml
        rows.append(Row("broth", broth, "the broth that is to stay: it is eaten, not drunk by the grain"))
    need, had = sum([r.amount for r in rows]), 0.0
    for b in brought:
        if b.ml < 0:
            need -= b.ml
            rows.append(Row("absorber", -b.ml, f"drunk from the same pot by the {b.name}", f"by the {b.name}"))
        else:
            had += b.ml
            rows.append(Row("brought", -b.ml, f"already there, from the {b.name}", f"from the {b.name}"))
    plenty = row.plenty
    if way.method == "drain":
        wanted = max(DRAIN_TIMES_VOLUME * dry_ml, 1.5 * need)
        rows.append(Row("drained", wanted - need, "plenty of water, poured off when the grain is done"))
        need = wanted
    if habit_ml:
        rows.append(
            Row(
                "recipe_habit",
                habit_ml,
                f"the recipe's habit: it pours {'more' if habit_ml > 0 else 'less'} than its own grain needs",
            )
        )
    raw = sum([r.amount for r in rows])
    problems = []
    if raw > 0 and carrier_fraction < 1.0:
        rows.append(Row("stock_solids", raw / carrier_fraction - raw, "stock or milk is not all water"))
        raw /= carrier_fraction
    if raw < 0:
        rows.append(Row("excess", -raw, "more liquid is in the dish already than this grain can use"))
        problems.append(_excess(grain, way, -raw))
    pour = max(raw, 0.0)

    come_up = _come_up(way, kitchen, pour + had, m)
    release = row.release if way.release == "natural" else row.quick_release
    rest, rest_why = _rest(grain, way, cook)
    if rest_min is not None:
        rest = rest_min
    minutes.insert(0, Row("come_up", come_up, _come_up_why(way, kitchen)))
    if release:
        minutes.append(
            Row(
                "release",
                release,
                "the pressure falls by itself; the grain goes on cooking"
                if way.release == "natural"
                else "pressure let out at once",
            )
        )
    if rest:
        minutes.append(Row("rest", rest, rest_why))
    pot = Pot(
        grain,
        way,
        kitchen,
        dry_ml,
        tuple(rows),
        tuple(minutes),
        need,
        raw,
        u,
        come_up,
        cook,
        release,
        rest,
        practice,
        plenty,
    )
    problems += _fit(pot, pour + had)
    return pot._replace(problems=tuple(problems)) if problems else pot


# -- water -------------------------------------------------------------------------------------------------


def _grain_rows(grain: Grain, way: Way, m: float, u: float, factors: Factors, room_c: float) -> list[Row]:
    h = grain.hydration_at(way.texture)
    word = grain.texture_word(way.texture)
    rows = [Row("grain", m * h, f"{m:.0f} g of {grain.name} drink {h:.2f} times their weight to come out {word}")]
    if way.age == "old":
        rows.append(Row("age", m * h * (OLD_BAG - 1), "an old bag takes about a tenth more"))
    if factors.water != 1.0:
        rows.append(Row("learnt", m * h * (factors.water - 1), "your notebook's pots say so"))
    kept = way.soak_min > 0 and way.soak_water == "kept" and not way.sprouted
    if u:
        what = "the sprouted grain" if way.sprouted else f"the soak of {said_minutes(way.soak_min)}"
        rows.append(Row("soak", -m * u, f"{what} has already brought this in"))
        if kept:
            rows.append(Row("soak_kept", m * u, "the soak water stays in the pot, so it is part of what you pour"))
    rinsable = way.rinsed and way.method != "steep" and not way.sprouted
    # grain soaked in its own cooking water was rinsed and drained before, so it still carries the full cling
    cling = 0.0
    for part, share in mass_shares(grain) if rinsable else ():
        if part.rinse > 0 and not part.is_meal:
            taken = uptake(part, way.soak_min, room_c) if grain.parts else u
            cling += share * m * (CLING if kept else max(0.0, CLING - taken))
    if cling and way.roast == "none":
        rows.append(Row("cling", -cling, "rinsed, drained grain carries this much water"))
    elif cling:
        # what the pan dries off it no longer carries, and its sealed surface drinks as much less
        rows.append(Row("roast", -cling, "roasting has sealed it: it drinks a little less"))
    return rows


def thickness(grain: Grain) -> float:
    """Share of the boil-off that its pot has: what is thick all along gives its water up slowly."""
    return THICK_MEAL if grain.is_meal else THICK_PORRIDGE if grain.usual == "porridge" else 1.0


def boil_rate(grain: Grain, way: Way, kitchen: Kitchen, lid: str | None = None) -> float:
    """g lost a minute at the boil, by the row of its method; under another lid if one is given. What a vessel loses once is not in it."""
    row, lid = way.row, lid or way.lid
    heat = BRISK if way.heat == "brisk" else 1.0
    if row.loss_lid:
        per_cm2 = row.loss_lid * EVAPORATION[lid] * heat
    else:
        per_cm2 = row.loss_cm2_open if row.loss_cm2_open and lid == "open" else row.loss_cm2
    from_pot = per_cm2 * kitchen.area_cm2 * (1.0 if row.resource == "oven" else kitchen.boil_off)
    thick = (
        1.0 if row.plenty or row.ends_dry or row.slug == "soup" or way.broth_ml else min(way.thick, thickness(grain))
    )
    return thick * (from_pot + row.loss_min + row.loss_watts * kitchen.watts / 800)


def _boil_off(way: Way, kitchen: Kitchen, factors: Factors, cook: float, grain: Grain) -> list[Row]:
    row = way.row
    rows, where = [], ""
    off = 0.0 if row.locked else boil_rate(grain, way, kitchen) * cook
    if row.locked:
        n = _whistles(way, kitchen, cook)
        off = row.loss_once + row.loss_whistle * n
        why = (
            row.loss_why
            or f"{row.loss_once:g} on the way up and {row.loss_whistle:g} a whistle, {n} whistle{'' if n == 1 else 's'}"
        )
    elif row.loss_lid:
        where = "from the open pan" if way.lid == "open" else f"under {_LID_SAID[way.lid]}"
        why = f"boils off {where}"
        if kitchen.boil_off != 1.0:
            why += ", by this pot's boil-off test"
        if thickness(grain) < 1:
            why += "; a thick pot gives up less"
    elif row.loss_watts:
        why = f"a vented lid at {kitchen.watts:g} W lets this go"
    elif row.resource == "oven":
        why = (
            "an uncovered dish dries this much in the oven"
            if way.lid == "open"
            else "lost under foil or a lid in the oven"
        )
    else:
        why = row.loss_why
    if off:
        rows.append(Row("boil_off", off * factors.boil_off, why, where))
    if row.up_loss:
        lost = row.up_loss_open if row.up_loss_open and way.lid == "open" else row.up_loss
        rows.append(Row("come_up", lost, "lost on the way to the boil"))
    if row.slug == "steam":
        rows.append(Row("base", STEAMER_BASE_ML, "so that the base of the steamer never runs dry"))
    if row.splash:
        rows.append(Row("splash", row.splash, "a splash for the steam when it is warmed again"))
    if way.lid == "sealed" and row.loss_lid:
        # the cloth can only hold steam that would have reached it: a quick pot wets it less
        tight = boil_rate(grain, way, kitchen, "tight") * cook
        rows.append(Row("cloth", min(CLOTH_G, (tight - off) * factors.boil_off), "the cloth under the lid drinks this"))
    return rows


_LID_SAID = {
    "sealed": "the sealed lid",
    "tight": "a tight lid",
    "ordinary": "this lid",
    "ajar": "a lid ajar",
    "open": "no lid",
}


def _excess(grain: Grain, way: Way, over: float) -> Problem:
    drier = "a wider pot or no lid" if way.lid != "open" else "a longer, open boil"
    return Problem(
        "excess",
        "liquid",
        f"The dish already holds {over:.0f} ml more liquid than this much {grain.name} can drink: leave out "
        f"{over:.0f} ml of it, cook more grain, or use {drier}.",
    )


# -- time --------------------------------------------------------------------------------------------------


def _cooking(grain: Grain, way: Way, kitchen: Kitchen, factors: Factors, u: float) -> tuple[list[Row], bool]:
    """The rows of minutes at the heat, and whether they rest on practice for this very method."""
    practice, row = True, way.row
    if row.base == "steep":
        base, said = grain.steep_min or 10.0, "minutes in boiling water, off the heat"
    elif row.base == "flush":
        base, said = grain.flush_min or grain.simmer / 2, row.said
    elif row.base == "steam":
        base, said = grain.steam_min or max(row.least_min, row.times * grain.simmer), row.said
    elif row.base == "pressure":
        base, said, practice = _pressure(grain, way, kitchen)
    else:
        # what is only steeped on its own takes those minutes in a heated vessel too
        base = row.times * (grain.simmer or grain.steep_min or 0.0) + row.plus
        said = row.said or f"{grain.name}, unsoaked, to {grain.texture_word(grain.usual_at)} under a lid"
        # a slow cooker on low takes twice as long as on high
        base *= row.brisk if way.heat == "brisk" else row.gentle
    slow = grain
    if grain.parts and row.base not in ("pressure", "steep"):
        slow = max(
            (g for g, _ in grain.parts),
            key=lambda g: soaked_minutes(g, way, kitchen) * texture_time(g, way.texture),
        )
        base *= slow.simmer / grain.simmer if grain.simmer else 1.0
        said = f"{slow.name}, the slowest of them"
    rows = [Row("simmer", base, said)]
    total = base
    if way.method == "pressure" and way.whistles:
        # whistles are counted, not reckoned: the cook's number is the time
        return rows, True

    def factor(term: str, by: float, because: str) -> None:
        nonlocal total
        if abs(by - 1) > 1e-12 and total:
            rows.append(Row(term, total * (by - 1), because))
            total *= by

    if way.sprouted:
        factor("sprouted", SPROUT_TIME, "sprouted grain is softer inside")
    elif u and slow.soak and row.soaks:
        taken = u if slow is grain else uptake(slow, way.soak_min, kitchen.room_c)
        factor("soak", 1 - slow.soak.beta * taken / slow.soak.u_max, "the soak has opened the grain")
    if way.texture != slow.usual_at:
        named = grain.texture_word(way.texture) if grain.is_meal else TEXTURES[round(way.texture)]
        factor("texture", texture_time(slow, way.texture), f"to come out {named}")
    if row.locked:
        hot = PRESSURE_C - max(0.0, kitchen.altitude_m) / 400
        if hot != PRESSURE_C:
            why = kitchen.manner.degrees(f"pressure is reached at {hot:.0f} °C up here")
            factor("altitude", heat_factor(hot, PRESSURE_C), why)
        if way.release == "quick":
            # "release" is the minutes that it takes itself
            factor("quick_release", 1.25, "a quick release gives no cooking on the way down")
    elif kitchen.altitude_m:
        boil = boiling_point(kitchen.altitude_m)
        factor("altitude", heat_factor(boil), kitchen.manner.degrees(f"water boils at {boil:.0f} °C up here"))
    if way.age == "old":
        factor("age", OLD_BAG, "an old bag takes about a tenth longer")
    if factors.time != 1.0:
        factor("learnt", factors.time, "your notebook's pots say so")
    return rows, practice


def texture_time(grain: Grain, texture: float) -> float:
    """How much longer (over 1) a texture takes than the grain's usual one. A grain that has no fluffy state, or is said of a porridge,
    takes its minutes whatever it comes out up to there: it is stretched from its usual texture on, not twice."""
    at = between(TEXTURE_TIME, texture)
    return at if grain.usual_at == 1.0 else max(1.0, at / between(TEXTURE_TIME, grain.usual_at))


def _soak_factor(grain: Grain, way: Way, kitchen: Kitchen) -> float:
    if not grain.soak:
        return 1.0
    return 1 - grain.soak.beta * uptake(grain, way.soak_min, kitchen.room_c) / grain.soak.u_max


def soaked_minutes(grain: Grain, way: Way, kitchen: Kitchen) -> float:
    """A grain's minutes at the boil to fluffy after this soak: what decides whether two grains can share a pot."""
    return (grain.simmer or grain.steep_min or 0.0) * _soak_factor(grain, way, kitchen)


def default_minutes(grain: Grain, method: str, soak_min: float, kitchen: Kitchen) -> float:
    """A grain's minutes by a method after this soak, to its usual texture."""
    way = default_way(grain, method, grain.usual_at, soak_min=soak_min if grain.soak else 0.0, roast="none")
    return solve(grain, MEASURE_ML, way, kitchen).cook_min


def _pressure(grain: Grain, way: Way, kitchen: Kitchen) -> tuple[float, str, bool]:
    if way.whistles:
        return (
            way.whistles * kitchen.whistle_min,
            f"{way.whistles} whistles at about {kitchen.whistle_min:g} minutes",
            True,
        )
    if way.method == "pressure" and grain.whistles:
        # practice counts whistles of a usual cooker; this kitchen's may be longer or shorter
        return sum(grain.whistles) / 2 * WHISTLE_MIN, f"as long as {_said_range(grain.whistles)} usual whistles", True
    if grain.electric_min:
        return grain.electric_min, "minutes at pressure, as practised", True
    return grain.simmer * heat_factor(PRESSURE_C), "derived: hotter water cooks faster", False


def _said_range(of: tuple[int, int]) -> str:
    return str(of[0]) if of[0] == of[1] else f"{of[0]} to {of[1]}"


def _whistles(way: Way, kitchen: Kitchen, cook: float) -> int:
    return way.whistles or max(1, round_half_up(cook / kitchen.whistle_min))


def _come_up(way: Way, kitchen: Kitchen, liquid_ml: float, m: float) -> float:
    """Minutes to the boil. Reckoned to 100 °C at every altitude: the few seconds a high kitchen saves must
    not make a higher pot read as quicker."""
    row = way.row
    if row.up_fixed is not None:
        return row.up_fixed
    seconds = (liquid_ml * WATER_J + m * GRAIN_J) * (100.0 - kitchen.room_c) / power(way, kitchen)
    return (seconds / 60 + row.up_plus) * kitchen.up_share(way.method)


def power(way: Way, kitchen: Kitchen) -> float:
    """W that reach the pot."""
    given = way.row.power
    if given == "microwave":
        return kitchen.watts * 0.8
    return kitchen.burner_w if isinstance(given, str) else given


def _come_up_why(way: Way, kitchen: Kitchen) -> str:
    if way.row.locked:
        learnt = kitchen.up_share(way.method) != 1.0
        return f"to the boil and up to pressure{', as long as it has taken here' if learnt else ''}"
    if way.row.power == "microwave":
        return f"to the boil at {kitchen.watts:g} W"
    return f"to the boil on {power(way, kitchen):,.0f} W"


def _rest(grain: Grain, way: Way, cook: float) -> tuple[float, str]:
    """cook: minutes at the heat, which a rest that does the cooking follows in soak, texture and altitude."""
    row = way.row
    if row.rest_fixed is not None:
        return row.rest_fixed, row.rest_why
    if row.rest_times:
        return max(grain.rest, row.rest_times * cook / row.times), row.rest_why
    return grain.rest if row.rest_most is None else min(grain.rest, row.rest_most), row.rest_why


# -- fit ---------------------------------------------------------------------------------------------------


def _fit(pot: Pot, liquid_ml: float) -> list[Problem]:
    """At most two thirds full (half under pressure), and enough to cover the bottom."""
    kitchen, way, row = pot.kitchen, pot.way, pot.way.row
    limit = row.fill
    fill = max(liquid_ml + 0.6 * pot.dry_ml, pot.cooked_ml) / kitchen.volume_ml
    problems = []
    if way.method == "steam" and pot.uptake < 0.2:
        wetting = round_half_up(pot.dry_g * pot.grain.hydration_at(way.texture) * 0.6 / 10) * 10
        said = (
            f"Steam alone leaves unsoaked {pot.grain.name} hard: soak it 4 hours or more first."
            if pot.grain.soak
            else f"Steam alone leaves {pot.grain.name} dry: work about {wetting} ml of water into it by hand, half before and half midway."
        )
        problems.append(Problem("steam_dry", "soak", said))
    if fill > limit:
        batches = math.ceil(fill / limit)
        part = "half" if limit == 0.5 else "two thirds"
        problems.append(
            Problem(
                "pot_full",
                "pot_cm",
                f"The pot would be {fill * 100:.0f} % full, and {part} is the most before it boils over: "
                f"use a pot of {kitchen.volume_ml * fill / limit / 1000:.1f} l or cook {batches} batches.",
            )
        )
    least = row.least_ml
    if least and liquid_ml < least:
        problems.append(
            Problem(
                "least_liquid",
                "amount",
                f"A pressure cooker wants about {least:g} ml of liquid to come to pressure (its manual says how much), and this is "
                f"{liquid_ml:.0f} ml: cook {round_half_up(pot.dry_ml * least / max(liquid_ml, 1.0) / 10) * 10} ml of grain, or set the "
                f"grain with its water in a bowl on a trivet, {least:g} ml of water below it.",
            )
        )
    depth = pot.dry_ml / kitchen.area_cm2
    if depth < ABSURD_CM and not row.plenty and row.loss_lid and way.method != "soup":
        problems.append(
            Problem(
                "pot_absurd",
                "pot_cm",
                f"{pot.dry_ml:.0f} ml of grain in a {kitchen.pot_cm:g} cm pot is a film, not a pot of grain: nearly all the water would boil "
                "off. Take a pot so small that the grain lies a finger deep.",
            )
        )
    elif depth < 0.25 and fill <= limit and not row.plenty and way.method not in ("steep", "soup"):
        problems.append(
            Problem(
                "pot_wide",
                "pot_cm",
                f"{pot.dry_ml:.0f} ml of grain barely covers the bottom of a {kitchen.pot_cm:g} cm pot and "
                "will catch: use a smaller pot.",
            )
        )
    return problems


def said_minutes(minutes: float) -> str:
    """ "30 minutes", "8 hours", "1 h 30 min"."""
    m = round_half_up(minutes)
    if m < 90:
        return f"{m} minute{'s' if m != 1 else ''}"
    hours, rest = divmod(m, 60)
    return f"{hours} h {rest} min" if rest else f"{hours} hour{'s' if hours != 1 else ''}"


def report(pot: Pot, said_unit: str = "ml", said_ml: float = 1.0, said_name: str | None = None) -> PotAlone:
    """The pot as plain data, rounded once (engine contract, "pot", without cautions).

    said_unit: "ml", "g" or a vessel; said_ml: the vessel's size; the cook's own words for the pour.
    """
    grain, way = pot.grain, pot.way
    typical = pot.cook_typical
    depth = round((pot.pour_ml - BETWEEN * pot.dry_ml) / pot.kitchen.area_cm2, 1)
    return {
        "grain": grain.slug,
        "dry": {"ml": round_half_up(pot.dry_ml), "g": round_half_up(pot.dry_g)},
        "method": way.method,
        "texture": TEXTURES[round(way.texture)],
        "texture_at": round(way.texture, 3),
        "texture_word": grain.texture_word(way.texture),
        "lid": way.lid,
        "water": {
            "pour_ml": pot.pour_ml,
            "jug_ml": jug_ml(pot.pour_ml),
            "reserve_ml": pot.high_ml - pot.pour_ml,
            "kettle_ml": pot.kettle_ml,
            "kettle_said": kettle_said(pot.kettle_ml, said_unit, said_ml, said_name),
            "about": _about(pot),
            "low_ml": pot.low_ml,
            "high_ml": pot.high_ml,
            "ratio_by_volume": None
            if any(p.code == "pot_absurd" for p in pot.problems)
            else round(pot.pour_ml / pot.dry_ml, 2),
            "depth_above_cm": depth,
            "depth_said": pot.kitchen.says(f"{depth:g} cm"),
            "pour_said": said(pot.pour_ml, said_unit, said_ml, said_name),
        },
        "soak": {"min": round_half_up(way.soak_min), "uptake_ml": round_half_up(pot.uptake * pot.dry_g)},
        "roast": _roast(grain, way),
        "time": {
            "come_up_min": round_half_up(pot.come_up_min),
            "cook": {
                "low": math.floor(typical * (1 - BAND_TIME)),
                "typical": typical,
                "high": math.ceil(typical * (1 + BAND_TIME)),
            },
            "release_min": round_half_up(pot.release_min),
            "rest_min": round_half_up(pot.rest_min),
            "total_min": pot.total_min,
        },
        "yield": {"ml": round_half_up(pot.cooked_ml), "g": round_half_up(pot.cooked_g)},
        "done_when": pot.sign,
        "ledger": [{"term": r.term, "ml": ml, "because": r.because, "where": r.where} for r, ml in pot.whole_rows()],
        "time_ledger": [{"term": t, "min": n, "because": why} for t, n, why in pot.time_ledger()],
        "basis": "practice" if pot.practice else "derived",
    }


def kettle_said(ml: float, unit: str, unit_ml: float, name: str | None = None) -> Said:
    """What is kept hot, in the cook's own measure: a kettle is filled to the next quarter of it."""
    if unit in ("ml", "g") or unit_ml <= 1 or not ml:
        return {"amount": round_half_up(ml), "unit": "ml"}
    return {"amount": math.ceil(4 * ml / unit_ml - 0.1) / 4, "unit": name or unit}


def _about(pot: Pot) -> str:
    return pot.kitchen.says(
        f"{pot.dry_ml:.0f} ml ({pot.dry_g:.0f} g) of {pot.grain.name}, {pot.grain.texture_word(pot.way.texture)}, "
        f"in this pot with this lid. Between {pot.low_ml} ml and {pot.high_ml} ml is usual."
    )


def said(ml: float, unit: str, unit_ml: float, name: str | None = None) -> Said:
    """A volume of water in the cook's own measure: to the quarter of a vessel, else as a jug shows it."""
    if unit == "g":
        return {"amount": round_half_up(ml / 5) * 5, "unit": "g"}
    vessels = in_vessels(ml, unit_ml, thirds=unit == "cup") if unit != "ml" and unit_ml > 1 else None
    return {"amount": jug_ml(ml), "unit": "ml"} if vessels is None else {"amount": vessels, "unit": name or unit}


def _roast(grain: Grain, way: Way) -> Roast:
    if way.roast == "none":
        return {"kind": "none", "min": 0, "why": grain.roast_never or "not needed for this grain and texture"}
    why = grain.roast.why if grain.roast else "a nuttier taste; not usual for this grain"
    if grain.roast_never:
        why = f"your choice; usually not, because {grain.roast_never}"
    minutes = grain.roast.min if grain.roast else 3
    return {"kind": way.roast, "min": round_half_up(minutes), "why": why}
