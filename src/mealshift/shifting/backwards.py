"""The recipe's own pot solved backwards: what its grain should take by the account, and what it pours beyond that."""

from __future__ import annotations

import re
from dataclasses import dataclass

from ..grains import TEXTURES, Grain, grain
from ..measures import WHISTLE_MIN
from ..pot import Brought, Factors, Kitchen, Pot, Way, solve
from ..pot.methods import method as method_row
from ..problems import Problem, Refusal
from ..quick import lazy
from ..reading.dish import grain_lines
from ..reading.otherwise import blanked
from ..reading.ways import other_ways_told
from ..recipe import Line, Recipe, once
from .cookings import DRAINED, boiled_through, finished_apart, finishing, poured_off, turning

ASK_BEYOND = 0.25
# a recipe that pours too little makes another grain no drier than this share of its need below it
DRIEST_HABIT = 0.25
# of the water that is poured off, a recipe's own pot may do without so much
LEAST_PLENTY = 0.75
_TOASTS = lazy(r"\b(?:stir|fry|toast|coat|turn|tip)\w*\b[^.;]{0,50}\b(?:rice|grain)", re.I)


# true of a rice whose starch is wanted, or that was polished clean
UNRINSED = lazy(
    r",?\s*\b(?:not rinsed|unrinsed|not washed|unwashed|(?:do not|don't|no need to) (?:rinse|wash)\b(?: it| the rice)?)",
    re.I,
)


@dataclass(frozen=True, slots=True)
class Own:
    """The source grain in the recipe's own pot. habit: what the recipe pours and cooks beside the account."""

    grain: Grain
    line: Line
    way: Way
    pot: Pot
    dry_ml: float
    recipe_water_ml: float
    habit_ml: float
    habit_min: float
    toasts: bool
    rinses: bool
    problems: tuple[Problem, ...]
    # the lines of the grain: its own, and those of a second rice that shares pot and time with it
    lines: tuple[Line, ...] = ()
    # minutes at the heat that are the dish's, whatever grain is in it (`finishing`)
    finish_min: float = 0.0


def carried_habit(own: Own, plain: Pot, scale: float, alike: bool) -> float:
    """What the recipe pours beyond its own grain's account, for another grain: in proportion to what each needs.

    What stands in the pot as soup beyond a whole second need stays as it is; a shortfall is carried only as far as the other grain's pot
    can bear it and not beyond a quarter of the need, so that no dry grain is left without water; and a habit of another way or texture
    says nothing about this one (alike False). plain: the other grain's pot, without a habit. scale: servings now over servings then.
    """
    need = own.pot.need_ml
    spare = max(0.0, own.habit_ml - need) * scale
    if not alike or need <= 0:
        return spare
    in_proportion = min(own.habit_ml, need) / need * plain.need_ml
    if plain.plenty:
        # what is poured off may be less by most of it
        drained = sum(r.amount for r in plain.rows if r.term == "drained")
        return max(in_proportion, -LEAST_PLENTY * drained) + spare
    return max(in_proportion, -DRIEST_HABIT * plain.need_ml, -plain.bears_ml) + spare


# in a dish that swims in these they carry the change themselves: a milk pudding is not thinned with water
_MILKS = ("milk", "coconut milk", "light coconut milk")
# water and stock that bring less than this share of the pot's liquid carry nothing
LEAST_CARRIED = 0.45
# so much of the need must be missing for the water to be unsaid
UNSAID_FROM = 0.3
# and so much milk for the grain's volume is a milk dish, less is a splash
SWIMS = 1.5


_SPOONS = frozenset(["tbsp", "tsp", "spoon", "dessertspoon"])


@once
def carriers(recipe: Recipe) -> tuple[Line, ...]:
    """The liquids that carry a change of the pour: water and stock, or where there is hardly any the milk that takes their place."""
    line = recipe.source_line
    if line is not None and line.cooked:
        # the recipe's own liquids are the dish's; the grain is cooked before, in water of its own
        return ()
    later = _poured_later(recipe)
    wet = [ln for ln in recipe.lines if ln.role == "pot_liquid" and ln.ml and ln.water and ln.index not in later]
    # a liquid without a name ("1.2 litres ready") is the pot's water or stock; what is counted in spoons ("2 T sake") is a seasoning
    mine = [ln for ln in wet if ln.carrier or not ln.kind and ln.unit not in _SPOONS]
    # a tin is opened whole: where water or stock can be measured, that takes the change; "1 can water" is measured with it
    mine = [ln for ln in mine if ln.unit != "tin" or ln.kind == "water"] or mine
    milks = [ln for ln in wet if ln.kind in _MILKS]
    grain_ml = (line.ml or 0.0) if line else 0.0
    swims = sum(ln.ml or 0.0 for ln in milks) >= SWIMS * grain_ml
    if swims and sum(ln.water for ln in mine) < LEAST_CARRIED * sum(ln.water for ln in [*mine, *milks]):
        whole = [ln for ln in milks if ln.unit == "tin" or _TIN.search(ln.text)]
        measured = [ln for ln in [*mine, *milks] if ln not in whole]
        enough = sum(ln.ml or 0.0 for ln in measured) >= ENOUGH * sum(ln.ml or 0.0 for ln in whole)
        return tuple(measured) if measured and enough else (*mine, *milks)
    return tuple(mine)


# what is measured, beside what is opened whole, that can take the whole change
ENOUGH = 0.4
_TIN = lazy(r"\b(?:tins?|cans?|cartons?)\b", re.I)


@once
def _poured_later(recipe: Recipe) -> frozenset[int]:
    """What is first spoken of when the grain was boiled in plenty and drained: the sauce it is baked in, and not the water it was boiled in."""
    at = poured_off(recipe)
    # what was only blanched drinks what comes then
    done = at is not None and (
        recipe.method == "drain" or recipe.method == "oven" and finished_apart(recipe) and boiled_through(recipe, at)
    )
    if at is None or not done:
        return frozenset()
    ops = recipe.process.operations
    before, after = ({i for o in part for i in o.what} for part in (ops[: at + 1], ops[at + 1 :]))
    turned = next((o.span.end for o in reversed(ops[: at + 1]) if o.span), 0)
    # what only a step states stands where it is poured
    stated = {ln.index: ln.span.start for ln in recipe.lines if ln.section.startswith("step ")}
    return frozenset({i for i in after - before if i not in stated} | {i for i, x in stated.items() if x > turned})


# share of the boil-off that a milk pudding loses
MILKY = 0.5


def _milky(recipe: Recipe) -> bool:
    return any(ln.kind in _MILKS for ln in carriers(recipe))


@once
def others(recipe: Recipe, scale: float = 1.0) -> tuple[Brought, ...]:
    """What else waters or dries the pot: flavoured liquids, tomatoes, pulses, fruit."""
    found = []
    # what is poured when the grain was drained waters another pot
    mine = {ln.index for ln in (*carriers(recipe), *grain_lines(recipe))} | _poured_later(recipe)
    for ln in recipe.lines:
        if (
            (ln.role == "pot_liquid" or ln.kind == "tomato" and ln.role in ("watery", "timed"))
            and ln.index not in mine
            and ln.water
        ):
            found.append(Brought(ln.name or "other liquid", ln.water * scale))
        elif ln.role in ("absorber", "timed") and ln.drinks:
            found.append(Brought(ln.name or "what else is in it", -ln.drinks * scale))
    return tuple(found)


# a recipe that cooks its rice so has done it, whatever one would advise for that rice
TOLD_WAYS = ("pressure", "electric-pressure", "rice-cooker", "microwave", "drain", "steam", "oven")


@once
def of_other_ways(recipe: Recipe) -> list[tuple[tuple[int, int], ...]]:
    """Where each step tells of another stove or pot than the one the grain is cooked on, or of an unsoaked grain: its minutes are the old grain's too."""
    return other_ways_told(
        [s.text for s in recipe.steps],
        ((i, d.span.start, d.kind) for i, s in enumerate(recipe.steps) for d in s.durations),
    )


@once
def solve_backwards(recipe: Recipe, kitchen: Kitchen) -> Own:
    """Refusal if the recipe has no grain or no amount of it: then there is nothing to reckon from."""
    line = recipe.source_line
    for p in recipe.problems:
        if p.severity == "stop" and (line is None or p.where in ("", line.text)):
            raise Refusal(p.code, p.where or "text", p.text)
    if line is None or line.grain is None:
        raise Refusal("no_grain", "text", "Which line is the grain?")
    g = grain(line.grain)
    texture = float(TEXTURES.index(recipe.texture))
    low, high = g.texture_range()
    texture = min(max(texture, low), high)
    prose = " ".join(blanked(s.text, gone) for s, gone in zip(recipe.steps, of_other_ways(recipe), strict=True))
    rinses = bool(re.search(r"\b(?:rins|wash|soak)", UNRINSED.sub("", prose + " " + line.text), re.I))
    toasts = _toasts(recipe)
    method = recipe.method
    if method == "oven" and finished_apart(recipe):
        # the oven is the dish's; the grain was boiled before
        at = turning(recipe)
        drained = at is not None and DRAINED.search(recipe.process.operations[at].text)
        method = "drain" if drained else "covered"
    if method not in g.methods and method not in TOLD_WAYS:
        method = next((m for m in ("covered", "open") if m in g.methods), g.methods[0])
    lid = recipe.lid if method == recipe.method and not line.cooked else ("open" if method == "open" else "ordinary")
    way = Way(
        method,
        texture,
        lid,
        soak_min=recipe.soak_min if g.soak else 0.0,
        roast="fat" if toasts else "none",
        rinsed=rinses,
        thick=MILKY if _milky(recipe) else 1.0,
    )
    lines = grain_lines(recipe)
    ml = sum(ln.ml or 0.0 for ln in lines)
    if line.cooked:
        per_ml = 1 + g.hydration_at(texture)
        dry_ml = (line.g or 0.0) / per_ml / g.density
        pot = solve(g, dry_ml, way, kitchen)
        return Own(g, line, way, pot, dry_ml, 0.0, 0.0, 0.0, False, rinses, (), lines)
    water = recipe.liquid_water_ml
    brought = others(recipe)
    minutes = recipe.simmer_min
    if recipe.whistles and minutes is not None:
        # counted, they are as long as this household's cooker makes them
        minutes += recipe.whistles * (kitchen.whistle_min - WHISTLE_MIN)
    plain = solve(g, ml, way, kitchen, Factors(), brought)
    pot = solve(g, ml, way, kitchen, Factors(), brought, cook_min=minutes)
    carried = sum(ln.water for ln in carriers(recipe))
    named = _named_way(recipe, method, minutes)
    if named in g.methods and named != method:
        row = method_row(named)
        way = way.with_(method=named, lid=lid if lid in row.lids else row.lid)
        if named == "slow-cooker" and _on_high(recipe):
            way = way.with_(heat="brisk")
        if recipe.dish == "soup":
            # what its grain does not drink is the soup
            way = way.with_(broth_ml=0.0)
            alone = solve(g, ml, way, kitchen, Factors(), brought, cook_min=minutes)
            way = way.with_(broth_ml=max(0.0, carried - alone.raw_pour_ml))
        plain = solve(g, ml, way, kitchen, Factors(), brought)
        pot = solve(g, ml, way, kitchen, Factors(), brought, cook_min=minutes)
    # a recipe that names no water for its pot, and whose other liquids do not cover what the grain needs, has no habit: it left it unsaid
    unsaid = carried == 0 and pot.raw_pour_ml > UNSAID_FROM * pot.need_ml
    habit_ml = carried - pot.raw_pour_ml if water and not unsaid else 0.0
    if len({ln.grain for ln in lines}) > 1:
        # reckoned as if all of it were the one: what it is short of is the other's smaller thirst, and no habit
        habit_ml = max(0.0, habit_ml)
    finish = sum(o.typical_min or 0.0 for o in finishing(recipe))
    habit_min = minutes - finish - plain.cook_min if minutes is not None else 0.0
    return Own(
        g,
        line,
        way,
        pot,
        ml,
        water,
        habit_ml,
        habit_min,
        toasts,
        rinses,
        tuple(_habit_problems(recipe, g, way, pot, habit_ml, plain, habit_min)),
        lines,
        finish,
    )


_SLOW = lazy(r"\b(?:slow[- ]?cooker|crock[- ]?pot|crock)\b", re.I)
# what takes longer than this in a pot that is called slow is its way, not its habit
SLOW_FROM_MIN = 90.0


def _named_way(recipe: Recipe, method: str, minutes: float | None) -> str:
    """A soup and a slow cooker are a covered or open pot to the reader, and ways of their own to the account."""
    if method not in ("covered", "open"):
        return method
    if minutes and slow_cooked(recipe) and (minutes >= SLOW_FROM_MIN or _on_high(recipe)):
        return "slow-cooker"
    return "soup" if recipe.dish == "soup" else method


@once
def slow_cooked(recipe: Recipe) -> bool:
    """Is a slow cooker spoken of?"""
    return bool(_SLOW.search(" ".join([recipe.title, *(s.text for s in recipe.steps)])))


@once
def _on_high(recipe: Recipe) -> bool:
    """Are the grain's minutes in the slow cooker those on HIGH?"""
    told = [o.heat for o in recipe.process.operations if o.phase == "heat" and o.told]
    return bool(told) and all(heat == "high" for heat in told)


@once
def _toasts(recipe: Recipe) -> bool:
    """Is the grain turned in fat or a dry pan before any liquid joins it?"""
    return any(
        d.kind == "toast" or d.kind == "pan" and _TOASTS.search(s.text[max(0, d.span.start - 70) : d.span.end + 40])
        for s in recipe.steps
        for d in s.durations
    ) or any(o.kind == "toast" and recipe.source in o.what for o in recipe.process.operations)


def _habit_problems(
    recipe: Recipe, g: Grain, way: Way, pot: Pot, habit_ml: float, plain: Pot, habit_min: float
) -> list[Problem]:
    problems = []
    if pot.need_ml and way.method not in ("drain", "steam") and abs(habit_ml) > ASK_BEYOND * pot.need_ml:
        share = abs(habit_ml) / pot.need_ml * 100
        more = habit_ml > 0
        closed = way.row.locked or way.method == "rice-cooker"
        # what is shut by itself has no lid to choose, and no width that would count
        wider = "a wider pan or a brisker heat" if way.lid == "open" else "a wider pot or no lid"
        softer = "softer, or a soup" if closed else f"softer, {wider}"
        firmer = "firmer" if closed else "firmer, a smaller pot or a tighter lid"
        guess = softer if more else f"{firmer}, or a liquid I did not count"
        lid = (
            "under pressure"
            if way.row.locked
            else "in a rice cooker"
            if closed
            else {"open": "in an open pan"}.get(way.lid, "under a lid")
        )
        problems.append(
            Problem(
                "water_habit",
                "",
                f"The recipe pours {share:.0f} % {'more' if more else 'less'} than {recipe.texture} {g.name} needs {lid}: "
                f"{guess}? I keep its habit; choose another texture{'' if closed else ' or lid'} if it is wrong.",
            )
        )
    baked = any(
        d.kind == "heat" and re.search(r"\b(?:bake|oven)\b", s.text, re.I) for s in recipe.steps for d in s.durations
    )
    hot = way.row.slug == "slow-cooker" and -way.row.plus <= habit_min <= 0
    if plain.cook_min and not (baked or hot) and abs(habit_min) > ASK_BEYOND * plain.cook_min + 2:
        problems.append(
            Problem(
                "time_habit",
                "",
                f"The recipe cooks {g.name} {abs(habit_min):.0f} minutes {'longer' if habit_min > 0 else 'less'} than the "
                f"{plain.cook_min:.0f} it usually takes: check the minutes, or the grain I read.",
            )
        )
    return problems
