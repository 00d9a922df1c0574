"""The water account and the time law: one grain in one pot.

The problem. A packet says "1 to 2½" and is right for one pot, one lid, one amount. What is true in every
pot is an account, in grams (1 g of water = 1 ml):

    m       = dry volume × bulk density
    uptake  = u_max · t / (t + t_half)                     soak of t minutes
    cling   = max(0, 0.12 − uptake) · m                    water that rinsed, drained grain carries
    boiloff = area · rate(lid, heat) · minutes at the boil + come-up loss
    need    = m · (hydration − uptake) − cling + boiloff + other absorbers + what is drained off
    pour    = need − water brought by other liquids

A case by hand: 240 ml of quinoa (172.8 g) to fluffy, rinsed, 20 cm pot, ordinary lid: drinks 172.8 × 1.9 = 328;
carries 0.12 × 172.8 = 21; boils off 314 cm² × 0.012 × 15 = 57, and 20 on the way to the boil: pour 384, "1 to 1.6".

The compromise: boil-off is a constant rate from the boil to heat-off, and the come-up loss a constant;
the minute-by-minute pot is needed only for "what if".
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field

from ..grains import TEXTURES, Grain
from ..measures import WHISTLE_MIN, largest_remainder, round_half_up
from ..problems import Problem
from .ways import BRISK, CLOTH_G, EVAPORATION, Factors, Kitchen, Way, cap

CLING = 0.12
BAND_WATER = 0.12
BAND_TIME = 0.15
OLD_BAG = 1.10
SPROUT_TIME, SPROUT_UPTAKE = 0.7, 0.45
TEXTURE_TIME = (0.9, 1.0, 1.1, 1.25, 1.6, 2.5)
COOKED_DENSITY = (0.65, 0.70, 0.80, 0.90, 1.0, 1.0)
COME_UP_LOSS = {"lidded": 20.0, "open": 40.0}
DRAIN_TIMES_VOLUME = 6.0
PRESSURE_C = 117.0
WATER_J, GRAIN_J = 4.186, 1.8
STEAMER_BASE_ML = 300.0


@dataclass(frozen=True, slots=True)
class Row:
    """One signed line of a ledger: millilitres or minutes, with the sentence that explains it."""

    term: str
    amount: float
    because: str


@dataclass(frozen=True, slots=True)
class Brought:
    """Water (ml) that something other than the poured liquid brings into the pot; negative: it drinks."""

    name: str
    ml: float
    term: str = "brought"


@dataclass(frozen=True, slots=True)
class Pot:
    """The solved pot. All figures unrounded; `ledger()` and `report()` round once, at the end."""

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
    problems: tuple[Problem, ...] = field(default=())

    @property
    def dry_g(self) -> float:
        return self.dry_ml * self.grain.density

    @property
    def pour_ml(self) -> int:
        return max(0, round_half_up(self.raw_pour_ml))

    @property
    def high_ml(self) -> int:
        if self.plenty:
            return self.pour_ml
        return max(self.pour_ml, round_half_up(self.raw_pour_ml + BAND_WATER * self.need_ml))

    @property
    def low_ml(self) -> int:
        return self.pour_ml if self.plenty else max(0, round_half_up(self.raw_pour_ml - BAND_WATER * self.need_ml))

    @property
    def cook_typical(self) -> int:
        return max(1, round_half_up(self.cook_min)) if self.cook_min else 0

    @property
    def cooked_g(self) -> float:
        return self.dry_g * (1 + self.grain.hydration_at(self.way.texture))

    @property
    def cooked_ml(self) -> float:
        return self.cooked_g / between(COOKED_DENSITY, self.way.texture)

    def ledger(self) -> list[tuple[str, int, str]]:
        """Integer rows that sum to pour_ml exactly."""
        whole = largest_remainder([r.amount for r in self.rows], self.pour_ml)
        return [(r.term, ml, r.because) for r, ml in zip(self.rows, whole, strict=True)]

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


def uptake(grain: Grain, soak_min: float, room_c: float, sprouted: bool = False) -> float:
    """g water per g dry grain taken up in a soak of that many minutes at that temperature."""
    if sprouted:
        return SPROUT_UPTAKE
    if grain.parts:
        return sum(w * uptake(g, soak_min, room_c) for g, w in mass_shares(grain))
    if not grain.soak or soak_min <= 0:
        return 0.0
    t_half = grain.soak.t_half * 2 ** ((20.0 - room_c) / 10)
    return grain.soak.u_max * soak_min / (soak_min + t_half)


def mass_shares(grain: Grain) -> list[tuple[Grain, float]]:
    """The grains of a blend with their shares of its weight; a single grain has all of it."""
    return [(g, g.density * s / grain.density) for g, s in grain.parts] or [(grain, 1.0)]


def boiling_point(altitude_m: float) -> float:
    """°C. Good to a degree below 5,000 m."""
    return 100.0 - altitude_m / 300.0


def heat_factor(celsius: float, reference_c: float = 100.0) -> float:
    """How much longer (over 1) or shorter (under 1) grain takes at `celsius` than at `reference_c`.

    >>> round(heat_factor(95.0), 2)      # 1,500 m: usual advice is about a quarter longer
    1.24
    """
    return math.exp(6014.0 * (1 / (celsius + 273.15) - 1 / (reference_c + 273.15)))


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
) -> Pot:
    """Water and time for `dry_ml` millilitres of dry grain.

    brought: water that comes with other things in the pot (negative: other absorbers). habit_ml, habit_min: what
    a recipe pours and cooks beyond its own grain's account. cook_min: minutes at the boil, when a recipe
    states them; else the law gives them. carrier_fraction: water per ml of what is poured (stock 0.98).
    rest_min: a recipe's own rest, moved to this grain; else the grain's.
    """
    kitchen, factors = kitchen or Kitchen(), factors or Factors()
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
    cook = sum(r.amount for r in minutes)

    rows = _grain_rows(grain, way, m, u, factors, kitchen.room_c)
    rows += _boil_off(way, kitchen, factors, cook, grain)
    for b in brought:
        because = f"{cap(b.name)} drink this from the same pot" if b.ml < 0 else f"already there, from the {b.name}"
        rows.append(Row(b.term if b.ml >= 0 else "absorber", -b.ml, because))
    need = sum(r.amount for r in rows if r.term not in ("brought", "stock_solids"))
    plenty = way.method in ("drain", "steam")
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
    raw = sum(r.amount for r in rows)
    problems = []
    if raw > 0 and carrier_fraction < 1.0:
        rows.append(Row("stock_solids", raw / carrier_fraction - raw, "stock or milk is not all water"))
        raw /= carrier_fraction
    if raw < 0:
        rows.append(Row("excess", -raw, "more liquid is in the dish already than this grain can use"))
        problems.append(_excess(grain, way, -raw))
    pour = max(raw, 0.0)

    come_up = _come_up(way, kitchen, pour + sum(b.ml for b in brought if b.ml > 0), m)
    release = {"natural": 10.0, "quick": 1.0}[way.release] if way.method in ("pressure", "electric-pressure") else 0.0
    rest, rest_why = _rest(grain, way)
    if rest_min is not None:
        rest = rest_min
    minutes = [Row("come_up", come_up, _come_up_why(way, kitchen)), *minutes]
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
    fit = _fit(pot, pour + sum(b.ml for b in brought if b.ml > 0))
    return Pot(**{**{f: getattr(pot, f) for f in Pot.__slots__}, "problems": tuple(problems + fit)})


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
    rinsable = way.rinsed and way.method != "steep" and way.roast == "none" and not way.sprouted
    # grain soaked in its own cooking water was rinsed and drained before, so it still carries the full cling
    cling = 0.0
    for part, share in mass_shares(grain):
        if rinsable and part.rinse > 0 and not part.is_meal:
            taken = uptake(part, way.soak_min, room_c) if grain.parts else u
            cling += share * m * (CLING if kept else max(0.0, CLING - taken))
    if cling:
        rows.append(Row("cling", -cling, "rinsed, drained grain carries this much water"))
    return rows


def _boil_off(way: Way, kitchen: Kitchen, factors: Factors, cook: float, grain: Grain) -> list[Row]:
    lid = f"under {_LID_SAID[way.lid]}"
    if way.method == "steep":
        return []
    if way.method == "rice-cooker":
        return [
            Row(
                "boil_off",
                3.5 * cook * factors.boil_off,
                "the cooker steams this off before it clicks: it ends when dry",
            )
        ]
    if way.method == "electric-pressure":
        return [Row("boil_off", 25.0 * factors.boil_off, "all that a sealed electric cooker loses")]
    if way.method == "pressure":
        n = _whistles(grain, way)
        return [Row("boil_off", (20 + 12.0 * n) * factors.boil_off, f"20 on the way up and 12 a whistle, {n} whistles")]
    if way.method == "microwave":
        return [
            Row(
                "boil_off",
                7 * kitchen.watts / 800 * cook * factors.boil_off,
                f"a vented lid at {kitchen.watts:g} W lets this go",
            )
        ]
    if way.method == "oven":
        rate = 0.02 * kitchen.area_cm2 if way.lid == "open" else 3.0
        return [
            Row(
                "boil_off",
                rate * cook * factors.boil_off,
                "an uncovered dish dries this much in the oven"
                if way.lid == "open"
                else "lost under foil or a lid in the oven",
            )
        ]
    if way.method == "steam":
        return [
            Row(
                "boil_off",
                EVAPORATION["ajar"] * kitchen.area_cm2 * cook * factors.boil_off * kitchen.boil_off,
                "steam that leaves the steamer",
            ),
            Row("base", STEAMER_BASE_ML, "so that the base of the steamer never runs dry"),
        ]
    heat = BRISK if way.heat == "brisk" else 1.0
    off = kitchen.area_cm2 * EVAPORATION[way.lid] * heat * cook * factors.boil_off * kitchen.boil_off
    open_pan = way.lid == "open"
    because = "boils off from the open pan" if open_pan else f"boils off {lid}"
    if kitchen.boil_off != 1.0:
        because += ", by this pot's boil-off test"
    rows = [
        Row("boil_off", off, because),
        Row("come_up", COME_UP_LOSS["open" if open_pan else "lidded"], "lost on the way to the boil"),
    ]
    if way.method == "cook-ahead":
        rows.append(Row("splash", 30.0, "a splash for the steam when it is warmed again"))
    if way.lid == "sealed":
        # the cloth can only hold steam that would have reached it: a quick pot wets it less
        tight = kitchen.area_cm2 * EVAPORATION["tight"] * heat * cook * factors.boil_off * kitchen.boil_off
        rows.append(Row("cloth", min(CLOTH_G, tight - off), "the cloth under the lid drinks this"))
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
    practice = True
    if way.method == "steep":
        base, said = grain.steep_min or 10.0, "minutes in boiling water, off the heat"
    elif way.method == "flush":
        base, said = grain.flush_min or grain.simmer / 2, "a short, firm boil before the flush"
    elif way.method in ("pressure", "electric-pressure"):
        base, said, practice = _pressure(grain, way, kitchen)
    elif way.method == "off-heat":
        base, said = 0.35 * grain.simmer, "a short simmer; the closed rest does the work"
    elif way.method == "steam":
        base, said = max(25.0, 1.4 * grain.simmer), "steam is slower than a boil"
    else:
        base, said = grain.simmer, f"{grain.name}, unsoaked, to fluffy under a lid"
    slow = grain
    if grain.parts and way.method not in ("pressure", "electric-pressure", "steep"):
        slow = max((g for g, _ in grain.parts), key=lambda g: soaked_minutes(g, way, kitchen))
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
    elif u and slow.soak:
        factor("soak", _soak_factor(slow, way, kitchen), "the soak has opened the grain")
    factor(
        "texture",
        between(TEXTURE_TIME, way.texture),
        f"to come out {TEXTURES[round(way.texture)]}"
        if not grain.is_meal
        else f"to come out {grain.texture_word(way.texture)}",
    )
    if way.method in ("pressure", "electric-pressure"):
        hot = PRESSURE_C - max(0.0, kitchen.altitude_m) / 400
        factor("altitude", heat_factor(hot, PRESSURE_C), f"pressure is reached at {hot:.0f} °C up here")
        if way.release == "quick":
            factor("release", 1.25, "a quick release gives no cooking on the way down")
    else:
        boil = boiling_point(kitchen.altitude_m)
        factor("altitude", heat_factor(boil), f"water boils at {boil:.0f} °C up here")
    if way.age == "old":
        factor("age", OLD_BAG, "an old bag takes about a tenth longer")
    factor("learnt", factors.time, "your notebook's pots say so")
    if rows[-1].term == "release":  # keep the name free for the release itself
        rows[-1] = Row("quick_release", rows[-1].amount, rows[-1].because)
    rows = [Row("quick_release", r.amount, r.because) if r.term == "release" else r for r in rows]
    return rows, practice


def _soak_factor(grain: Grain, way: Way, kitchen: Kitchen) -> float:
    if not grain.soak:
        return 1.0
    return 1 - grain.soak.beta * uptake(grain, way.soak_min, kitchen.room_c) / grain.soak.u_max


def soaked_minutes(grain: Grain, way: Way, kitchen: Kitchen) -> float:
    """A grain's minutes at the boil to fluffy after this soak: what decides whether two grains can share a pot."""
    return (grain.simmer or grain.steep_min or 0.0) * _soak_factor(grain, way, kitchen)


def _pressure(grain: Grain, way: Way, kitchen: Kitchen) -> tuple[float, str, bool]:
    if way.method == "pressure" and (way.whistles or grain.whistles):
        n = _whistles(grain, way)
        return n * kitchen.whistle_min, f"{n} whistles at about {kitchen.whistle_min:g} minutes", True
    if grain.electric_min:
        return grain.electric_min, "minutes at pressure, as practised", True
    return grain.simmer * heat_factor(PRESSURE_C), "derived: hotter water cooks faster", False


def _whistles(grain: Grain, way: Way) -> int:
    if way.whistles:
        return way.whistles
    if grain.whistles:
        return round_half_up(sum(grain.whistles) / 2)
    minutes = grain.electric_min or grain.simmer * heat_factor(PRESSURE_C)
    return max(1, round_half_up(minutes / WHISTLE_MIN))


def _come_up(way: Way, kitchen: Kitchen, liquid_ml: float, m: float) -> float:
    """Minutes to the boil. Reckoned to 100 °C at every altitude: the few seconds a high kitchen saves must
    not make a higher pot read as quicker."""
    power = {"microwave": kitchen.watts * 0.8, "rice-cooker": 500.0, "electric-pressure": 900.0}.get(
        way.method, kitchen.burner_w
    )
    if way.method == "oven":
        return 15.0
    seconds = (liquid_ml * WATER_J + m * GRAIN_J) * (100.0 - kitchen.room_c) / power
    extra = {"pressure": 4.0, "electric-pressure": 4.0}.get(way.method, 0.0)
    return seconds / 60 + extra


def _come_up_why(way: Way, kitchen: Kitchen) -> str:
    if way.method == "oven":
        return "the dish heats through before it begins to cook"
    if way.method in ("pressure", "electric-pressure"):
        return "to the boil and up to pressure"
    if way.method == "microwave":
        return f"to the boil at {kitchen.watts:g} W"
    return f"to the boil on {kitchen.burner_w:,.0f} W"


def _rest(grain: Grain, way: Way) -> tuple[float, str]:
    if way.method in ("drain", "flush"):
        return min(grain.rest, 5.0), "drained, back in the warm pot, lid on, to steam dry"
    if way.method == "cook-ahead":
        return 33.0, "half an hour spread out to cool; later a splash and 3 minutes of steam in the dish"
    if way.method == "off-heat":
        return max(grain.rest, 1.2 * grain.simmer), "lid closed, off the heat: this is where it cooks"
    if way.method in ("pressure", "electric-pressure"):
        return min(grain.rest, 5.0), "lid loosened, before it is forked"
    return grain.rest, "lid closed, off the heat: the last water moves into the middle of each grain"


# -- fit ---------------------------------------------------------------------------------------------------


def _fit(pot: Pot, liquid_ml: float) -> list[Problem]:
    """At most two thirds full (half under pressure), and enough to cover the bottom."""
    kitchen, way = pot.kitchen, pot.way
    limit = 0.5 if way.method in ("pressure", "electric-pressure", "microwave") else 2 / 3
    fill = max(liquid_ml + 0.6 * pot.dry_ml, pot.cooked_ml) / kitchen.volume_ml
    problems = []
    if way.method == "steam" and pot.uptake < 0.2:
        said = f"Steam alone leaves unsoaked {pot.grain.name} hard: soak it 4 hours or more first."
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
    elif pot.dry_ml / kitchen.area_cm2 < 0.25 and way.method not in ("drain", "steep", "steam"):
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


def report(pot: Pot, said_unit: str = "ml", said_ml: float = 1.0, said_name: str | None = None) -> dict[str, object]:
    """The pot as plain data, rounded once (engine contract, "pot", without cautions).

    said_unit: "ml", "g" or a vessel; said_ml: the vessel's size; the cook's own words for the pour.
    """
    grain, way = pot.grain, pot.way
    typical = pot.cook_typical
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
            "reserve_ml": pot.high_ml - pot.pour_ml,
            "low_ml": pot.low_ml,
            "high_ml": pot.high_ml,
            "ratio_by_volume": round(pot.pour_ml / pot.dry_ml, 2),
            "depth_above_cm": round((pot.pour_ml - 0.4 * pot.dry_ml) / pot.kitchen.area_cm2, 1),
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
        "done_when": grain.sign(way.texture),
        "ledger": [{"term": t, "ml": ml, "because": why} for t, ml, why in pot.ledger()],
        "time_ledger": [{"term": t, "min": n, "because": why} for t, n, why in pot.time_ledger()],
        "basis": "practice" if pot.practice else "derived",
    }


def said(ml: float, unit: str, unit_ml: float, name: str | None = None) -> dict[str, object]:
    """A volume of water in the cook's own measure: quarters of a vessel, else 10 ml or 5 g."""
    if unit == "g":
        return {"amount": round_half_up(ml / 5) * 5, "unit": "g"}
    quarters = round_half_up(ml / unit_ml * 4) if unit_ml > 1 else 0
    if unit == "ml" or quarters == 0:
        return {"amount": round_half_up(ml / 10) * 10, "unit": "ml"}
    return {"amount": quarters / 4, "unit": name or unit}


def _roast(grain: Grain, way: Way) -> dict[str, object]:
    if way.roast == "none":
        return {"kind": "none", "min": 0, "why": grain.roast_never or "not needed for this grain and texture"}
    why = grain.roast.why if grain.roast else "a nuttier taste; not usual for this grain"
    if grain.roast_never:
        why = f"your choice; usually not, because {grain.roast_never}"
    minutes = grain.roast.min if grain.roast else 3
    return {"kind": way.roast, "min": round_half_up(minutes), "why": why}
