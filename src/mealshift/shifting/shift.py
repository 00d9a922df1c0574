"""A recipe for another grain. The pour of the new pot is

    the recipe's water + account(target) − account(source),     same pot, same texture

so rice to the same rice gives the recipe back, and one doubtful constant cancels. The minutes likewise, except that a
recipe that cooks its grain oddly short does not make another grain hard: a negative habit is kept to a quarter.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from ..grains import TEXTURES, Grain
from ..manner import Manner
from ..measures import Measures, round_half_up
from ..pot import Factors, Kitchen, Pot, Way, default_way, solve
from ..pot.account import COOKED_DENSITY, between
from ..pot.afterwards import afterwards
from ..pot.methods import method as method_row
from ..pot.ways import cap
from ..problems import Problem, Refusal
from ..process import Operation, Process
from ..quick import lazy
from ..reading.instead import of_another_amount
from ..reading.names import find_grains
from ..reading.otherwise import of_other_sorts, own_sorts
from ..reading.things import foods_in
from ..recipe import Recipe
from ..text.sentences import sentences
from ..text.times import stretches
from .backwards import Own, carried_habit, carriers, of_other_ways, others, solve_backwards
from .beside import early, raw_at_rest
from .blends import Plan, plan
from .choice import KEEPS, Choice
from .cookings import filled_raw, finish_stays, in_a_sauce, paste_in_filling, rains, rest_said, roasts_dry
from .lines import Amounts, NewLine, in_parts, rewrite_lines
from .manners import line_in, step_in
from .rewrite import Method, rewrite_steps
from .target import STOVE, rinsed_when_done, target_process, wants_rest
from .vessels import title_edits
from .wording import Edit, Edited, apply


@dataclass(frozen=True, slots=True)
class Change:
    """One number or word that changed, with why; for the list of changes."""

    what: str
    was: str
    now: str
    because: str


@dataclass(frozen=True, slots=True)
class Shift:
    recipe: Recipe
    choice: Choice
    own: Own
    pot: Pot
    title: Edited
    servings: float | None
    lines: tuple[NewLine, ...]
    method: Method
    changes: tuple[Change, ...]
    check: tuple[Problem, ...]
    problems: tuple[Problem, ...]
    same: bool
    plan: Plan
    process: Process
    measures: Measures
    aside: tuple[Pot, ...] = ()

    @property
    def kitchen(self) -> Kitchen:
        return self.choice.kitchen

    @property
    def poured(self) -> str:
        """What the pour is of: water, stock, milk, or both where there are two."""
        kinds = list(dict.fromkeys(ln.kind for ln in carriers(self.recipe)))
        return " and ".join(kinds[:2]) or "water"


def shift(recipe: Recipe, choice: Choice) -> Shift:
    """Refusal if the recipe holds no grain with an amount, or the choice contradicts itself or the grain."""
    manner = choice.kitchen.manner
    measures = replace(recipe.vessels, amounts=manner.amounts)
    if choice.keep not in KEEPS:
        raise Refusal("keep", "keep", f"“{choice.keep[:30]}” keeps nothing I know; choose volume, weight or plates.")
    own = solve_backwards(recipe, choice.kitchen)
    scale, problems = _scale(recipe, choice)
    soak = choice.soak_min if choice.soak_min is not None else own.way.soak_min
    mix = plan(choice.to, choice.blend, soak, choice.method or own.way.method, choice.kitchen, choice.packets)
    target = mix.target
    problems += mix.problems
    if choice.method is None and own.way.method not in target.methods and filled_raw(recipe):
        # what cooks within a leaf or a pepper cooks as the dish does, whatever it is
        target = replace(target, methods=(*target.methods, own.way.method))
    if paste := paste_in_filling(recipe, target):
        problems.append(Problem("paste", "to", f"{paste} A whole or a cracked grain stays in pieces."))
    rained = (
        replace(own, toasts=False)
        if own.toasts and not own.line.cooked and not roasts_dry(recipe) and rains(recipe, own.grain, target)
        else own
    )
    way, more = target_way(recipe, rained, target, choice)
    if rained is not own and way.method == "steep":
        way, more = target_way(recipe, own, target, choice)
    elif rained is not own:
        # a meal that is rained into the boiling liquid is turned in no fat before
        own = rained
        before = ": it is roasted dry before" if way.roast == "dry" else ""
        text = f"The recipe fries its grain first; {target.name} goes in when the liquid boils{before}."
        more = [*more, Problem("roast", "roast", text, "note")]
    problems += more
    if way.broth_ml is not None and choice.broth_ml is None:
        way = way.with_(broth_ml=way.broth_ml * scale)
    same = target.slug == own.grain.slug
    same_way = same and way == own.way

    whole_ml = _dry_amount(own, target, way, choice, scale)
    dry_ml = whole_ml * mix.share
    aside = tuple(_aside(g, whole_ml * s, way, choice) for g, s in mix.aside)
    pot = _pot(recipe, own, target, way, choice, scale, dry_ml, same_way)
    carried = carriers(recipe)
    carrier_ml = sum(ln.ml or 0 for ln in carried)
    amounts = Amounts(
        target,
        dry_ml,
        scale,
        pot.cooked_g / own.pot.cooked_g if own.pot.cooked_g and not same else scale,
        pot.pour_ml if not (same_way and scale == 1) else carrier_ml,
        carrier_ml,
        same,
        pot.way.locked,
        sum(ln.ml or 0 for ln in recipe.lines if ln.role == "pot_liquid" and ln not in carried),
        bool(pot.way.soak_min),
    )
    lines = in_parts(rewrite_lines(recipe, amounts, measures, pot.cooked_g, aside, pot.way.method == "drain"))
    amounts = replace(amounts, adds_water=any(ln.was is None and ln.role == "pot_liquid" for ln in lines))
    made = target_process(recipe, own, pot, amounts, mix, aside, choice.home_meal)
    made.operations = [
        o.with_(text=manner.said(o.text, measures)) if o.basis == "inserted" else o for o in made.operations
    ]
    method = rewrite_steps(recipe, own, pot, amounts, measures, made, choice.as_was)
    title = _title(recipe, own, target, same, aside, way)
    if not same:
        lines = [replace(ln, section=_heading(ln.section, own, target)) if ln.section else ln for ln in lines]
        method.steps = [
            replace(st, section=_heading(st.section, own, target)) if st.section else st for st in method.steps
        ]
    changes = _changes(recipe, own, pot, lines)
    lines = [line_in(manner, ln, measures) for ln in lines]
    method.steps = [step_in(manner, st, measures) for st in method.steps]
    problems += drinking_on(recipe, own, pot)
    if not same:
        problems += _left_out(recipe, own)
    check = [
        *method.check,
        *(
            Problem("note", text, "A note I did not rewrite: read it with the new grain in mind.", "note")
            for text, _ in recipe.notes
            if _of_the_dish(text, recipe.title)
        ),
    ]
    if lacking := choice.kitchen.lacks(pot.way):
        text = f"This way needs {'an' if lacking[0] in 'aeio' else 'a'} {lacking}, and your kitchen lists none: say that you have one, or choose another way."
        problems.append(Problem("no_appliance", lacking, text, "ask"))
    problems = [*recipe.problems, *own.problems, *problems, *pot.problems]
    check, problems = ([_in_degrees(p, manner) for p in told] for told in (check, problems))
    return Shift(
        recipe,
        choice,
        own,
        pot,
        title,
        choice.servings or recipe.servings,
        tuple(lines),
        method,
        tuple(changes),
        tuple(check),
        tuple(problems),
        same,
        mix,
        made.process(recipe.process),
        measures,
        aside,
    )


# so many of the sentences that are left out are shown, and so much of each
MOST_LEFT_OUT, MOST_SHOWN = 3, 70


def _left_out(recipe: Recipe, own: Own) -> list[Problem]:
    """That the new text does not tell what the recipe tells of another pot, or another grain, is said: nothing goes unseen."""
    sorts = own_sorts(recipe.lines, own.line)
    said: list[str] = []
    for st, ways in zip(recipe.steps, of_other_ways(recipe), strict=True):
        gone = sorted({*ways, *of_other_sorts(st.text, *sorts)})
        # a whole step stands there, struck through
        said += [st.text[a:b].strip(" ,;:().") for a, b in gone if st.text[:a].strip() or st.text[b:].strip()]
    for ln in recipe.lines:
        if ln.grain or ln.carrier:
            said += [ln.text[a:b].strip(" ,;:().[]–—-\n") for a, b in of_another_amount(ln.text)]
    said = [t for t in said if t]
    if not said:
        return []
    shown = ", ".join(
        f"“{t[:MOST_SHOWN].rstrip()} …”" if len(t) > MOST_SHOWN else f"“{t}”" for t in said[:MOST_LEFT_OUT]
    )
    more = f" and {len(said) - MOST_LEFT_OUT} more" if len(said) > MOST_LEFT_OUT else ""
    text = f"Left out, as it is told of another pot or another grain: {shown}{more}."
    return [Problem("left_out", "", text, "note")]


def _in_degrees(p: Problem, manner: Manner) -> Problem:
    said = manner.degrees(p.text)
    return p if said == p.text else replace(p, text=said)


def _aside(g: Grain, dry_ml: float, way: Way, choice: Choice) -> Pot:
    """A grain of the blend in a pot of its own, to the same texture as near as it goes, in plain water."""
    low, high = g.texture_range()
    method = way.method if way.method in g.methods and way.method in ("covered", "drain") else None
    soak = way.soak_min if g.soak else 0.0
    return solve(
        g,
        dry_ml,
        default_way(g, method, min(max(way.texture, low), high), soak_min=soak),
        choice.kitchen,
        choice.factors,
    )


# what joins the cooked grain and is drunk by it: dressings, yoghurt, cream, syrup, gravy
# a path of pages, a review, a rating: what stands round a recipe and is none of it
_OF_THE_PAGE = lazy(r"[»›★☆]|\b\d+ (?:reviews?|votes?|ratings?|comments?)\b|https?:|www\.|@", re.I)


def _of_the_dish(note: str, title: str) -> bool:
    """Does a note speak of the grain, of minutes or of something to eat ("we have it with yoghurt")? What else stands round a recipe is not laid before the cook."""
    if _OF_THE_PAGE.search(note) or note.strip().lower() == title.strip().lower():
        return False
    return bool(find_grains(note)) or any(foods_in(note)) or any(stretches(note))


_DRUNK_LATER = ("yoghurt", "cream", "vinegar")


def drinking_on(recipe: Recipe, own: Own, pot: Pot) -> list[Problem]:
    """A dressed or sauced grain goes on drinking: said where this grain drinks noticeably, or otherwise than its rice did."""
    joins = [ln for ln in recipe.lines if ln.role == "after" and ln.kind in _DRUNK_LATER]
    if not joins or pot.grain.slug == own.grain.slug:
        return []
    now, was = afterwards(pot).drinks_ml, afterwards(own.pot).drinks_ml
    if now < 20:
        return []
    than = (
        f", {abs(now - was):.0f} ml {'more' if now > was else 'less'} than the {own.grain.short} did"
        if abs(now - was) > 15
        else ""
    )
    return [
        Problem(
            "drinks_on",
            joins[0].text,
            f"It looks loose when mixed and is right in an hour: {pot.grain.name} goes on drinking, about {now:.0f} ml{than}.",
        )
    ]


def _scale(recipe: Recipe, choice: Choice) -> tuple[float, list[Problem]]:
    if choice.servings is None:
        return 1.0, []
    if not 1 <= choice.servings <= 60:
        raise Refusal("servings", "servings", "Cook for 1 to 60 people; give a number in between.")
    if recipe.servings is None:
        return 1.0, [
            Problem(
                "servings",
                "",
                "The recipe does not say how many it serves, so it stays as it is; add a line such as “Serves 4”.",
            )
        ]
    return choice.servings / recipe.servings, []


def target_way(recipe: Recipe, own: Own, target: Grain, choice: Choice) -> tuple[Way, list[Problem]]:
    """The way to cook the new grain: the cook's choice, else the recipe's, else the nearest the grain does."""
    problems: list[Problem] = []
    method, lid = choice.method, choice.lid
    if method is None and lid is not None and own.way.method in ("covered", "open"):
        method = "open" if lid == "open" else "covered"
    if method is None:
        method = own.way.method
        if method not in target.methods:
            nearest = next((m for m in ("covered", "open", "steep") if m in target.methods), target.methods[0])
            problems.append(
                Problem(
                    "method_nearest",
                    "method",
                    f"The {method} way is none for {target.name}; I took the {nearest} way instead.",
                )
            )
            method = nearest
    # a soup's lid, ajar, stays where a grain that is none for soup is cooked covered
    soup = "soup" in (method, own.way.method) and {method, own.way.method} <= {"soup", "covered", "open"}
    stays = method == own.way.method or soup and own.way.lid in method_row(method).lids
    if lid is None and stays:
        # "covered" in a recipe means whatever lid this pot has
        lid = choice.kitchen.lid if own.way.lid == "ordinary" and method == "covered" else own.way.lid
    texture = choice.texture
    low, high = target.texture_range()
    if texture is None:
        wanted = own.way.texture
        # rice to the same rice stays the recipe's; a household's liking is for the grain that is new
        liked = wanted + (choice.factors.liking if target.slug != own.grain.slug and wanted <= 3 else 0.0)
        if method == "soup":
            # the broth is counted by itself: the grain in it is no porridge
            wanted = liked = min(liked, MOST_IN_SOUP)
        texture = min(max(liked, low), high)
        if not low <= wanted <= high:
            problems.append(
                Problem(
                    "texture_nearest",
                    "texture",
                    f"{cap(target.name)} does not cook to {TEXTURES[round(wanted)]}, which this dish wants; "
                    f"the nearest it does is {TEXTURES[round(texture)]}.",
                )
            )
    soak = choice.soak_min if choice.soak_min is not None else own.way.soak_min if target.soak else 0.0
    roast = choice.roast
    if roast is None and own.toasts:
        roast = "fat"
        if target.roast_never and target.slug != own.grain.slug:
            problems.append(
                Problem(
                    "roast",
                    "roast",
                    f"The recipe fries its grain first; with {target.name} skip that: {target.roast_never}.",
                )
            )
            roast = "none"
    if target.slug == own.grain.slug and roast is None:
        roast = own.way.roast
    way = default_way(
        target,
        method,
        texture,
        lid,
        choice.heat or (own.way.heat if method == own.way.method else "gentle"),
        soak,
        choice.soak_water,
        choice.sprouted,
        roast,
        choice.release,
        choice.whistles,
        choice.age,
        _broth(own, choice, method),
    )
    way = way.with_(thick=own.way.thick)
    if target.slug == own.grain.slug:
        way = way.with_(rinsed=own.way.rinsed)
    return way, problems


def _dry_amount(own: Own, target: Grain, way: Way, choice: Choice, scale: float) -> float:
    if own.line.cooked or choice.keep == "plates":
        # the same volume on the plates; a cooked ingredient is measured cooked, so every policy but weight keeps that
        per_ml = target.density * (1 + target.hydration_at(way.texture)) / between(COOKED_DENSITY, way.texture)
        if own.line.cooked and choice.keep == "weight":
            return own.pot.cooked_g * scale / (target.density * (1 + target.hydration_at(way.texture)))
        return own.pot.cooked_ml * scale / per_ml
    if choice.keep == "weight":
        return own.pot.dry_g * scale / target.density
    as_heavy = own.pot.dry_g * scale / target.density
    if own.line.unit in _WEIGHED and abs(own.dry_ml * scale - as_heavy) <= NEARLY_DRY * as_heavy:
        # "1 kg" does not become 1.01
        return as_heavy
    return own.dry_ml * scale


# so near in weight, the same volume is the same weight
NEARLY_DRY = 0.02
_WEIGHED = ("g", "kg", "oz", "lb")

# grain in a soup is at most so soft
MOST_IN_SOUP = 3.0


def _broth(own: Own, choice: Choice, method: str) -> float | None:
    """The broth of a soup that is to stay: the cook's word, else the recipe's own."""
    if method not in ("soup", "slow-cooker"):
        return None
    return choice.broth_ml if choice.broth_ml is not None else own.way.broth_ml


# so near to what the recipe pours, it is poured: no pot is known better
NEARLY_ML = 0.04


def _boiled_away(pot: Pot) -> float:
    return sum(r.amount for r in pot.rows if r.term == "boil_off")


# textures nearer than this are the same wish; a household's liking moves them about so far
ALIKE = 0.6


# so long a cooking is told in round numbers, and keeps its own where another grain's is nearly the same
ROUND_FROM_MIN, NEARLY = 40.0, 0.06


def _pot(
    recipe: Recipe, own: Own, target: Grain, way: Way, choice: Choice, scale: float, dry_ml: float, same_way: bool
) -> Pot:
    if own.line.cooked:
        return solve(target, dry_ml, way, choice.kitchen, choice.factors)
    brought = others(recipe, scale)
    plain = solve(target, dry_ml, way, choice.kitchen, choice.factors, brought)
    alike = way.method == own.way.method and abs(way.texture - own.way.texture) <= ALIKE
    # what is filled or shaped and cooks in a sauce has an account that only the difference of two grains is right of
    filled = way.method == own.way.method and in_a_sauce(recipe)
    habit_ml = own.habit_ml * scale if same_way or filled else carried_habit(own, plain, scale, alike)
    if own.way.broth_ml and way.broth_ml is None and not way.row.plenty:
        # a soup by another way is a soup still
        habit_ml += own.way.broth_ml * scale
    habit_min = _habit_min(own, target, way, plain)
    # cooked another way from the start it is not drained and steamed on; what it is filled into is baked all the same
    finish_min = own.finish_min if finish_stays(recipe, own.way.method, way.method) else 0.0
    carried = sum(ln.water for ln in carriers(recipe))
    swims = carried and sum(b.ml for b in others(recipe)) > own.pot.need_ml > 0
    if swims and not same_way:
        # the dish's other liquids alone are more than the grain can drink: what is poured beside them follows its thirst, no sum is to be made
        alone = solve(target, dry_ml, way, choice.kitchen, choice.factors, brought, habit_min=habit_min)
        habit_ml = carried * scale * alone.need_ml / own.pot.need_ml - alone.raw_pour_ml
    if filled and target.is_meal:
        # it is the sauce around them that boils away, and no thick meal
        alone = solve(target, dry_ml, way, choice.kitchen, choice.factors, brought, habit_min=habit_min)
        habit_ml += _boiled_away(own.pot) * scale - _boiled_away(alone)
    cook = 0.0 if way.method == "steep" else plain.cook_min + habit_min + finish_min
    was = recipe.simmer_min or 0.0
    if was >= ROUND_FROM_MIN and not finish_min and way.method == own.way.method and abs(cook - was) <= NEARLY * was:
        # "bake 1 hour" does not become 58 minutes
        habit_min, cook = habit_min + was - cook, was
    under_pressure = way.locked and own.way.locked and target.slug != own.grain.slug
    if under_pressure and 0 < was - cook <= MOST_FOR_THE_OTHER and early(recipe, cook):
        # no lid is opened half-way: rice and dal go in together, and the dal says how long
        habit_min, cook = habit_min + was - cook, was
    before_min = max((e.minutes for e in early(recipe, cook)), default=0) if target.slug != own.grain.slug else 0
    mine = carriers(recipe)
    poured = sum(ln.ml or 0 for ln in mine)
    fraction = sum(ln.water for ln in mine) / poured if poured else 1.0

    def solved(habit: float) -> Pot:
        return solve(
            target,
            dry_ml,
            way,
            choice.kitchen,
            choice.factors,
            brought,
            habit,
            habit_min,
            carrier_fraction=fraction,
            rest_min=_rest(recipe, own, target, way),
            before_min=before_min,
            finish_min=finish_min,
        )

    pot, was_ml = solved(habit_ml), poured * scale
    off = was_ml - pot.raw_pour_ml
    # not where the cook has asked for something else, or the notebook has learnt it
    as_told = way.method == own.way.method and way.lid == own.way.lid and choice.factors == Factors()
    as_told = as_told and abs(way.texture - own.way.texture) < NEARLY_ML and way.age == own.way.age
    if as_told and not way.row.plenty and off and abs(off) <= NEARLY_ML * was_ml:
        # "1 litre of milk" does not become 1.03
        return solved(habit_ml + off * fraction)
    return pot


# so many minutes more under pressure a quick grain can bear, for what shares its pot
MOST_FOR_THE_OTHER = 8.0
# ways whose extra minutes are the dish's, or the oven's, and stay whatever grain is in it
_WHOLE_HABIT = ("oven", "soup", "slow-cooker")


def _habit_min(own: Own, target: Grain, way: Way, plain: Pot) -> float:
    """Minutes that the recipe cooks beyond its own grain's, for another: in proportion, so that the long boil of a slow grain makes no mush of a quick one."""
    if way.method == "steep" and own.way.method != "steep":
        # standing in hot water is not the cooking the recipe has a habit of
        return 0.0
    if way.method != own.way.method and not {way.method, own.way.method} <= {*STOVE, "soup"} and not own.finish_min:
        # two hours of a slow oven are no habit of a pot on the stove, of whichever grain
        return 0.0
    if target.slug == own.grain.slug:
        return own.habit_min
    if own.finish_min and own.habit_min < 0 and not own.way.row.locked:
        # boiled half on purpose: half of another grain's minutes
        return own.habit_min * plain.cook_min / max(1.0, own.pot.cook_min - own.finish_min - own.habit_min)
    if own.habit_min <= 0 and way.method == own.way.method == "slow-cooker":
        # what goes into one that is hot already has no time of getting hot, whatever grain it is
        return max(own.habit_min, -way.row.plus)
    if own.habit_min <= 0:
        return max(own.habit_min, -0.25 * plain.cook_min)
    usual = own.pot.cook_min - own.finish_min - own.habit_min
    if way.method in _WHOLE_HABIT or usual <= 0:
        return own.habit_min
    return own.habit_min * min(1.0, plain.cook_min / usual)


# what stands so long cools down, whatever grain is in it
COOLING_FROM_MIN = 25.0
# "let sit 5 minutes until the cheese melts"
_ON_IT_MEANWHILE = lazy(
    r"\b(?:melt(?:s|ed|ing)?|wilt(?:s|ed)?|warm(?:s|ed)? through|heated through|(?:eggs?|whites?) (?:is|are) set|spinach|greens|kale|chard|crack\w* (?:in )?(?:the |an? |\d )?eggs?|eggs? in)\b",
    re.I,
)


def _sentence(recipe: Recipe, o: Operation) -> str:
    """The sentence in which it is told."""
    if o.span is None:
        return o.text
    return next((recipe.text[a:b] for a, b in sentences(recipe.text) if a <= o.span.start < b), o.text)


def _rest(recipe: Recipe, own: Own, target: Grain, way: Way) -> float | None:
    """The recipe's rest, longer or shorter by what the grains differ; where the recipe says nothing the grain's, if it is put in; None: the way's own."""
    if way.method == "steep" and own.way.method != "steep":
        # it stands while it steeps, and that is all its cooking
        return 0.0
    if way.row.rest_times or way.row.rest_fixed:
        # here the rest is the cooking, or the cooling: it is the way's own
        return None
    if recipe.rest_min is not None:
        if target.slug == own.grain.slug or recipe.rest_min >= COOLING_FROM_MIN:
            return recipe.rest_min
        if recipe.dish in ("stirred", "soup") and way.method == own.way.method:
            # creamy it goes to the table, for what waits sets; and in a soup nothing has to dry
            return recipe.rest_min
        said = rest_said(recipe)
        # what melts or warms through on it meanwhile takes as long as it did
        meanwhile = said and _ON_IT_MEANWHILE.search(_sentence(recipe, said))
        least = recipe.rest_min if meanwhile or raw_at_rest(recipe) else 2.0
        # … and nobody rests it shorter than both the recipe and the grain's own row bid
        least = max(least, min(recipe.rest_min, target.rest))
        return max(least, recipe.rest_min + target.rest - own.grain.rest)
    if way.method != own.way.method and not {way.method, own.way.method} <= STOVE:
        return None
    if target.slug == own.grain.slug or not (rest_said(recipe) or wants_rest(recipe, own, target, way)):
        return 0.0
    if way.method == "drain" and rinsed_when_done(recipe):
        # "drain, rinse cold. Leave to cool": that is no rest
        return 0.0
    return target.rest


_BOWL = lazy(r"(?<=[Rr]ice )(?:bowls?|pot)\b|(?<=RICE )(?:BOWLS?|POT)\b", re.I)


_SPROUTED_FIRST = lazy(r"\b(?:sprouted|germinated|gaba)[ -]+$", re.I)


def _title(recipe: Recipe, own: Own, target: Grain, same: bool, aside: tuple[Pot, ...], way: Way) -> Edited:
    # "in the rice cooker" is not true of another way
    gone = title_edits(recipe.title) if way.method != own.way.method else []
    if same and not aside:
        return apply(recipe.title, gone)
    names = [target.name, *(p.grain.name for p in aside)]
    name = f"{', '.join(names[:-1])} and {names[-1]}" if len(names) > 1 else names[0]
    if recipe.title_span is None:
        return Edited(cap(name), ())
    # "rice bowl" is a measure in a list, and a dish in a title
    plain = _BOWL.sub(lambda m: "_" * len(m[0]), recipe.title)
    others = {ln.grain for ln in recipe.lines if ln.grain and ln.index != recipe.source} - {own.grain.slug}
    for f in find_grains(plain):
        if f.slug in others and not f.generic:
            # "Wild rice pilaf" of a dish whose white rice is shifted
            continue
        if f.slug == own.grain.slug or f.text.lower().endswith("rice"):
            new = _cased(name, f.text, recipe.title, f.span.start)
            if gone and gone[0].start == 0 and f.span.start < gone[0].end:
                # "Microwave rice" begins with the grain's name then
                gone, new = [Edit(0, f.span.start, ""), *gone[1:]], cap(new)
            start = f.span.start
            if (done := _SPROUTED_FIRST.search(plain, 0, start)) and not way.sprouted:
                # "Sprouted brown rice bowl": the new grain is not sprouted
                start, new = done.start(), cap(new) if plain[done.start()].isupper() else new
            return apply(recipe.title, [*gone, Edit(start, f.span.end, new)])
    return apply(recipe.title, [*gone, Edit(len(recipe.title), len(recipe.title), f", in {name}")])


def _cased(name: str, was: str, title: str, at: int) -> str:
    """In capitals where the title is, Each Word Of It where the title's words are, else as the word it replaces. at: where that stands in it."""
    if was.isupper():
        return name.upper()
    said = was[:1].isupper()
    inside = re.search(r"[^\W\d_]", title[:at])
    goes_on = re.match(r"\s+(?:(?:and|&|with) )?[A-Z]", title[at + len(was) :])
    if said and (inside or goes_on):
        # a capital that begins no title is one of its manner
        return " ".join(w if w == "and" else cap(w) for w in name.split(" "))
    return cap(name) if was[:1].isupper() else name


def _heading(text: str, own: Own, target: Grain) -> str:
    """ "For the rice" is for the new grain now."""
    edits = [
        Edit(
            f.span.start,
            f.span.end,
            target.short.upper() if f.text.isupper() else cap(target.short) if f.text[:1].isupper() else target.short,
        )
        for f in find_grains(text)
        if f.generic or f.slug == own.grain.slug
    ]
    return apply(text, edits).text


def _changes(recipe: Recipe, own: Own, pot: Pot, lines: list[NewLine]) -> list[Change]:
    changes = [Change("ingredient", ln.was or "", ln.text, ln.because) for ln in lines if ln.text != ln.was]
    if recipe.simmer_min is not None and round_half_up(recipe.simmer_min) != pot.cook_typical:
        changes.append(
            Change("minutes", f"{recipe.simmer_min:.0f} min", f"{pot.cook_typical} min", pot.minutes[1].because)
        )
    if own.way.lid != pot.way.lid:
        changes.append(Change("lid", own.way.lid, pot.way.lid, "you chose it"))
    return changes
