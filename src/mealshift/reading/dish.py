"""What the dish wants of its grain, how it is cooked, and what is odd about it."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..grains import TEXTURES, grain
from ..problems import Problem
from ..quick import lazy, quick
from ..recipe import Correction, Line, Recipe, once
from .clauses import THINGS, Clause
from .names import as_rice, find_grains
from .roles import kept_ready

MOST_GRAIN_G = 5000.0
# a canteen's amounts are asked about, these are no kitchen's at all
LEAST_GRAIN_G = 5.0

# two rices are one grain to the pot if their minutes lie no further apart than this, or than this share of the longer
TOGETHER_MIN, TOGETHER_SHARE = 4.0, 0.2


@once
def grain_lines(recipe: Recipe) -> tuple[Line, ...]:
    """The source grain's line, and with it a second rice's of the same pot: half malagkit, half ordinary rice. Only the lines the cook has
    pointed at, where they have."""
    line = recipe.source_line
    if line is None or line.grain is None:
        return ()
    own = grain(line.grain)
    if line.corrected and line.role == "source_grain":
        told = (
            ln for ln in recipe.lines if ln.corrected and ln.grain and ln.ml and ln.role == line.role and ln != line
        )
        return (line, *told)
    if line.cooked or line.corrected or own.family != "rice":
        return (line,)
    more = []
    for ln in recipe.lines:
        if ln.index == line.index or ln.grain is None or ln.cooked or not ln.ml or ln.role != "absorber":
            continue
        other = grain(ln.grain)
        apart = abs(other.simmer - own.simmer)
        meets = apart <= max(TOGETHER_MIN, TOGETHER_SHARE * max(other.simmer, own.simmer))
        if other.family == "rice" and meets and ln.section == line.section and not ln.corrected:
            more.append(ln)
    return (line, *more)


# words of the dish -> (dish, texture); searched in the title first, then in the steps
_DISHES = (
    (quick(r"\b(?:congee|gruel|jook|(?<!the )kanji|lugaw|arroz caldo|okayu|khao tom)\b", re.I), "porridge", "porridge"),
    (quick(r"\bporridge\b", re.I), "porridge", "porridge"),
    (
        quick(
            r"\b(?:pudding|kheer|payasam|arroz con leche|riz au lait|riso e latte|riso ?latte|champorado|rizogalo|milchreis|milk rice|(?:ris(?:grøns|gryns|engryns)?)?gr[øö][td]|ryż na mleku|latte di riso|payesh|p[hf]irni|firni|s[uü]tla[cç]|arroz[- ]doce|rijstepap|rijstebrij|riz b(?:i|el) (?:haleeb|laban))\b(?! rice)",
            re.I,
        ),
        "pudding",
        "soft",
    ),
    (quick(r"\b(?:khichdi|khichuri|kitchari)\b", re.I), "soft", "soft"),
    (
        quick(r"\b(?:risotto|stirred)\b|\bcreamy\b(?!.*\b(?:soup|chowder|broth|pudding|porridge)\b)", re.I),
        "stirred",
        "moist",
    ),
    (quick(r"\b(?:paella|arroz a banda)\b", re.I), "pan", "separate"),
    (
        quick(r"\b(?:salad|ensalada|insalata|salade|\w{0,12}salat|salada|\w{0,12}sallad|sałatka|salatası?)\b", re.I),
        "salad",
        "fluffy",
    ),
    (
        quick(
            r"\b(?:fried rice|fry$|stir-?fr\w+|nasi goreng|gebratener reis|bratreis|riz (?:sauté|cantonais|frit)|arroz frito|arroz tres delicias|riso (?:fritto|saltato)|stekt ris|stegte ris|smażony ryż|gebakken rijst)\b",
            re.I,
        ),
        "fried",
        "separate",
    ),
    (
        quick(
            r"\b(?:stuffed|stuffing|dolma\w*|gemista|yemista|sarma\w*|yaprak|gefüllt\w*|\w{0,12}rouladen|krautwickel|gevulde|fyllda|fylte|fyldte|faszerowan\w*|nadziewan\w*|rechead\w*|bharwan|bharli|rellen[oa]s?|ripien[ie]|farcie?s|mahshi|(?:cabbage|vine[- ]leaf) rolls|[hg]olubt[sc]i|ho[lł]ubtsi|go[lł][aą]bki|galumpkis?|halupk[iy]|holishkes|prakes|kåldolmar|kaposzta|malfouf|warak)\b|\b(?:fill|stuff) (?:and|&) roll\b|\b(?:spoon|pile|pack|mound|press|divide)\w* (?:in |up )?(?:the |this |all the |your )?(?:filling|stuffing)\b|\bfilling (?:on|onto|in|into) (?:each|every|the) (?:[^.;]{0,50}\broll\b|(?:peppers?|tomato(?:es)?|squash(?:es)?|courgettes?|zucchinis?|leaf|leaves)\b)",
            re.I,
        ),
        "stuffing",
        "separate",
    ),
    (quick(r"\b(?:pilaff?|pilav\w{0,4}|pilau|pulao|pulav|plov|polo|biryani|jewelled)\b", re.I), "pilaf", "separate"),
    (
        quick(
            r"\bladle (?:it |the soup )?(?:into|in|out)\b|\bthe soup (?:is|thickens|should|will)\b|\bserve the soup\b",
            re.I,
        ),
        "soup",
        "moist",
    ),
)
# said in the title alone
_TITLES = (
    (
        quick(
            r"\b(?:soups?|broth|mulligatawny|chowder|avgolemono|minestrone|harira|shorba|sopa|cald(?:os?|os[oa]|it[oa]|inho)|asopa(?:[od]o)?|soupy|brothy|malandr\w+|potage|zuppa|minestra|\w{0,12}suppe|\w{0,12}soppa|\w{0,12}soep|zupa|krupnik|\w{0,12}çorba\w{0,3}|soupe|pottage|gumbo)\b",
            re.I,
        ),
        "soup",
        "moist",
    ),
    (quick(r"(?<!one[ -])(?<!sheet[ -])\bpan\b(?!-| ?(?:fried|seared|roast))", re.I), "pan", "separate"),
    (quick(r"\bsoft\b", re.I), "soft", "soft"),
    (quick(r"\b(?:separate|kept apart)\b", re.I), "", "separate"),
    (quick(r"\bmoist\b", re.I), "", "moist"),
    (quick(r"\bfluffy\b", re.I), "", "fluffy"),
)
_METHOD = {"stirred": "open", "cooked": "covered"}


def of(title: str, texts: Sequence[str]) -> tuple[str, str]:
    """(dish, texture) by the words of the title, else of the steps; two empty words if they tell nothing."""
    for where, words in ((title, (*_DISHES, *_TITLES)), (" ".join(texts), _DISHES)):
        hit = next(((d, t) for pattern, d, t in words if pattern.search(where)), None)
        if hit:
            return hit
    return "", ""


def judge(recipe: Recipe, found: Sequence[Clause], way: str) -> Recipe:
    """Dish, texture wanted, method and lid. way: the label of the tagger of methods, or the cook's word."""
    prose = " ".join(s.text for s in recipe.steps)
    line = recipe.source_line
    g = grain(line.grain) if line and line.grain else None
    dish, texture = of(recipe.title, [prose])
    if dish == "soup" and line and _beside_the_soup(recipe, line):
        dish, texture = "", ""
    # "creamy", said somewhere in the steps, is not yet a risotto
    weak = dish == "stirred" and of(recipe.title, [])[0] != "stirred"
    unsaid = not dish and not texture
    if g and not texture:
        low, high = g.texture_range()
        texture = TEXTURES[int(min(max(1.0, low), high))]
        if g.slug in ("rice-risotto", "rice-pudding", "rice-paella"):
            dish = {"rice-risotto": "stirred", "rice-pudding": "pudding", "rice-paella": "pan"}[g.slug]
            texture = {"stirred": "moist", "pudding": "soft", "pan": "separate"}[dish]
    if line and line.cooked and not dish and any(c.verb == "fry" and "grain" in c.things for c in found):
        dish, texture = "fried", "separate"
    if line and line.cooked and dish in ("porridge", "soup", "pudding", "soft"):
        # what is left of yesterday's was cooked as rice is
        texture = "fluffy"
    if g and line and not shaped(prose) and (unsaid or weak or (dish == "stirred" and g.slug == "rice-grits")):
        dish, texture = _by_its_water(recipe, line, way) or (dish, texture)
    if (
        g
        and dish == "porridge"
        and line
        and not line.cooked
        and line.g
        and recipe.liquid_water_ml
        and "porridge" in g.hydration
    ):
        # porridge or gruel: the recipe's own water says which, unless its title does
        per_gram = recipe.liquid_water_ml / line.g
        thin = abs(per_gram - g.hydration_at(5.0)) < abs(per_gram - g.hydration_at(4.0))
        if told := re.search(r"\b(spoonable|pouring)\b", recipe.title, re.I):
            thin = told[0].lower() == "pouring"
        texture = "thin" if thin else "porridge"
    if g:
        low, high = g.texture_range()
        texture = TEXTURES[int(min(max(float(TEXTURES.index(texture)), low), high))]
    method = _METHOD.get(way, way)
    if method == "covered" and dish in ("pan", "stirred") and _only_at_rest(_COVERS, found):
        # a paella under foil when it is done was cooked without
        method = "open"
    return recipe.with_(dish=dish, texture=texture or "fluffy", method=method, lid=_lid(prose, found, method))


# g of water for each g of grain, with which none swims
DRINKS_ALL = 3.0


def _beside_the_soup(recipe: Recipe, line: Line) -> bool:
    """Gumbo, and its rice in a pot of its own: what makes it a soup goes elsewhere, and the grain drinks its water up."""
    soup = (ln.ml or 0.0 for ln in recipe.lines if ln.carrier and ln.role != "pot_liquid")
    drinks = not line.cooked and bool(line.g) and 0.0 < recipe.liquid_water_ml < DRINKS_ALL * (line.g or 0.0)
    return drinks and max(soup, default=0.0) > recipe.liquid_water_ml


# raw rice in meatballs
SHAPED = quick(
    r"\b(?:(?:shape|form|roll|mould|mold)\w*|ma(?:ke|de) (?:it |them |this |the \w+ )?(?:up )?into)\b[^.;!?]{0,40}\b(?:balls?|meat-?balls|logs|ovals)\b",
    re.I,
)
# "Mix first 6 things. Shape in balls": the grain is one of them
_ALL_MIXED = lazy(r"\b(?:mix|combine)\b[^.;!?]{0,20}\b(?:first|all|everything|together)\b", re.I)


def shaped(told: str) -> re.Match[str] | None:
    """Where the steps shape the grain, with what it is mixed with, into balls: not meatballs that are laid on it later."""
    for m in SHAPED.finditer(told):
        before = told[: m.start()]
        if find_grains(before) or _ALL_MIXED.search(before):
            return m
    return None


# g of water for each g of grain, beyond which it swims; up to this long it is whole in its liquid, longer and it has fallen apart
SWIMS, MOST_WATER, WHOLE_MIN, SLOW_MIN = 5.6, 17.0, 30.0, 200.0
# of milk it may be more: it is boiled down
MOST_MILK = 25.0
# what a g of dry pulses drinks of it
PULSES_DRINK = 2.2


def _by_its_water(recipe: Recipe, line: Line, way: str) -> tuple[str, str] | None:
    """No word names the dish, but eight cups for one of rice are told: (dish, texture) of what swims. None where it does not, or where water is poured off.

    By hand: 1 cup (185 g) with 8 cups (1893 g) of water has 10.2 g for each; at the heat for 45 minutes it is a porridge, for 20 a soup."""
    g = grain(line.grain or "")
    if (
        line.cooked
        or not line.g
        or "porridge" not in g.hydration
        or way not in ("covered", "open", "stirred", "pressure", "electric-pressure")
    ):
        return None
    pulses = sum(ln.g or 0.0 for ln in recipe.lines if ln.role == "absorber" and not ln.cooked)
    each = (recipe.liquid_water_ml - PULSES_DRINK * pulses) / line.g
    if g.slug == "rice-grits" and each >= 0.6 * SWIMS:
        return "porridge", "porridge"
    if each > MOST_WATER and pulses > line.g:
        # a handful of rice in a pot of lentils
        return "soup", "moist"
    wet = [ln for ln in recipe.lines if ln.role == "pot_liquid" and ln.water]
    milky = sum(ln.water for ln in wet if "milk" in ln.kind) > sum(ln.water for ln in wet) / 2
    if not SWIMS <= each <= (MOST_MILK if milky else MOST_WATER):
        return None
    if milky:
        return "pudding", "soft"
    if (recipe.simmer_min or 0.0) > SLOW_MIN:
        # hours in a slow cooker: a stew
        return "soup", "moist"
    if "pressure" in way or (recipe.simmer_min or 0.0) > WHOLE_MIN:
        return "porridge", "porridge"
    return "soup", "moist"


_CLOTH = quick(r"\b(?:foil|tea[- ]?towel|cloth|dish ?towel|kitchen towel)\b", re.I)


_COVERS = quick(
    r"(?<!un)(?<!dis)(?<!re)\bcover\w*|\blids?\b|\bfoil\b|\b(?:tea|dish|kitchen)[- ]?towel\b|\bcloth\b", re.I
)


# "turn the heat right down and leave it 25 minutes" is no rest
_ON_A_FLAME = quick(r"\b(?:low(?:est|er)?|gentle|gently|down|small(?:est)?|flame|simmer\w*)\b", re.I)


def _only_at_rest(words: re.Pattern[str], found: Sequence[Clause]) -> bool:
    """Are these words said of the grain's pot only when its heat is off, or goes off before it cooks on: "cover with foil, leave to rest off the heat"?"""

    def rests(c: Clause) -> bool:
        behind = [x for x in found if x.sentence == c.sentence and x.start > c.start]
        then = next((x.verb for x in behind if x.verb in ("cook", "boil", "off", "rest")), "")
        stands = then == "rest" and not any(_ON_A_FLAME.search(x.text) for x in found if x.sentence == c.sentence)
        return c.before.off or c.verb in ("off", "rest") or then == "off" or stands

    said = [c for c in found if c.grains and words.search(c.text)]
    return bool(said) and all(rests(c) for c in said)


def _lid(prose: str, found: Sequence[Clause], method: str) -> str:
    def says(pattern: str) -> bool:
        return bool(re.search(pattern, prose, re.I))

    if method in ("open", "drain"):
        return "open"
    if method == "oven":
        uncovered = says(r"\b(?:uncovered|without (?:a |the )?lid|no lid)\b")
        return "ordinary" if says(r"\b(?:foil|lid|cover\w*)\b") and not uncovered else "open"
    if method != "covered":
        return "ordinary"
    # "off the heat, a tea towel under the lid, another 10": nothing boils off any more
    at_rest = _only_at_rest(_CLOTH, found)
    if _CLOTH.search(prose) and not at_rest and says(r"\b(?:cover|lid|seal)\w*\b"):
        return "sealed"
    if says(r"\btight(?:ly)?(?:[- ]fitting)?\b"):
        return "tight"
    if says(
        r"\b(?:ajar|cracked|half[- ]cover\w*|half[- ]lid\w*|lid half|partly cover\w*|partially cover\w*|lid (?:a )?(?:bit|abit|little) open)\b"
    ):
        return "ajar"
    return "ordinary"


# "whole spices", "the vegetables", "season": the steps speak of several at once
# "put in the pot, fill to the 2 mark": what a cooker is filled with is water
FILLED_TO_A_LINE = lazy(r"\bfill\b[^.;!?]{0,40}\b(?:line|mark|level)\b", re.I)
_TOGETHER = (
    (FILLED_TO_A_LINE, r"water"),
    (lazy(r"\b(?:vegetables|veg|veggies)\b", re.I), THINGS["veg"]),
    (
        lazy(r"\b(?:spices|masalas?|powders?|tempering|seasonings?)\b", re.I),
        THINGS["spice"]
        + r"|(?:cloves?|bay leaf|star anise|mace|nutmeg|pepper(?:corns)?|chilli|powder|paprika|saffron|allspice|mirch|mustard|garlic powder|dried (?:basil|oregano|thyme))",
    ),
    (
        lazy(r"\bfish\b", re.I),
        r"(?:haddock|cod|salmon|trout|mackerel|hake|pollock|halibut|snapper|tilapia|bass|sole|kippers?|monkfish|steaks)",
    ),
    (
        lazy(r"\bmeat\b", re.I),
        r"(?:beef|lamb|mutton|pork|veal|venison|goat|mince|shin|chuck|brisket|shoulder|steak)",
    ),
    (
        lazy(r"\bcheese\b", re.I),
        r"(?:cheddar|parmesan|parmigiano|pecorino|grana|feta|mozzarella|cotija|gruy[eè]re|swiss|emmental\w*|halloumi|gouda|edam|jack|gorgonzola|taleggio|stilton|paneer)",
    ),
    (
        lazy(r"\b(?:nuts|dry ?fruits?|dried fruits?)\b", re.I),
        r"(?:almonds?|badam|cashews?|kaju|pistachios?|pista|pine ?nuts?|walnuts?|pecans?|hazelnuts?|peanuts?|macadamias?|chironji|kishmish|raisins|sultanas)",
    ),
    (
        lazy(r"\bherbs\b", re.I),
        r"(?:parsley|mint|coriander|cilantro|dill|basil|thyme|oregano|chives|tarragon|herbs?)",
    ),
    (lazy(r"\bseason(?:ing)?\b", re.I), r"(?:salt|pepper|seasoning)"),
    (
        lazy(r"\b(?:top|toppings?|garnish(?:es)?|serve)\b", re.I),
        r"(?:to (?:top|serve|garnish|finish)|toppings?|garnish)",
    ),
)


def stands_for_listed(word: str, listed: str) -> bool:
    """Is it only what a thing of the list is called by in a step: "the cheese", where the list has cheddar?"""
    return any(said.fullmatch(word) and re.search(rf"\b{kinds}\b", listed, re.I) for said, kinds in _TOGETHER)


def _spoken_of_together(line: Line, prose: str) -> bool:
    # "whisk the dressing": its section's name stands for all of it
    name = re.findall(r"[^\W\d_]+", line.section)
    if name and re.search(rf"\b{name[-1]}\b", prose, re.I):
        return True
    return any(said.search(prose) and re.search(rf"\b{kinds}\b", line.text, re.I) for said, kinds in _TOGETHER)


def problems(recipe: Recipe, corrections: tuple[Correction, ...]) -> list[Problem]:
    line = recipe.source_line
    out: list[Problem] = []
    if line is not None:
        out += _of_grain(line, corrections)
        out += _no_recipe(recipe, line)
    return [*out, *_beans(recipe), *_of_pot(recipe)]


ALL_OF_IT = quick(
    r"\b(?:everything|all (?:in|into|together)|(?:mix|combine|stir|put|blend|whisk|add) all|all (?:of )?(?:the )?(?:other )?ingredients|all the rest"
    r"|(?:the )?(?:remaining|rest of the|other) ingredients)\b",
    re.I,
)


def _no_recipe(recipe: Recipe, line: Line) -> list[Problem]:
    """A shopping list or a talk about rice holds grains and amounts, but nothing is cooked in it."""
    # water or stock, not the milk of a shopping list
    poured = any(ln.carrier and ln.ml and ln.role == "pot_liquid" for ln in recipe.lines)
    cooked = any(d.kind in ("heat", "whistles", "toast", "soak") for s in recipe.steps for d in s.durations)
    named = any(line.index in s.mentions for s in recipe.steps)
    # two steps that work with what is listed, or one that works with two of it, and something is heated or soaked: it need not name its rice
    told = sum(bool(s.mentions or s.durations) for s in recipe.steps) >= 2
    told = told or any(len(s.mentions) >= 2 and s.durations for s in recipe.steps)
    cooked = cooked or (line.cooked and any(s.durations for s in recipe.steps))
    named = named or (told and cooked) or any(ALL_OF_IT.search(st.text) for st in recipe.steps)
    home = (line.g or 0) < 2500
    if (
        (cooked and named and (home or poured))
        or (poured and (cooked or named or (line.g or 0) < 2000))
        # "Mix, shape into 8, fry 4 min each side"
        or (line.cooked and (named or cooked))
    ):
        return []
    listed = len([ln for ln in recipe.lines if ln.name])
    if listed < 3 or (named and (line.g or 0) < 2000):
        return []
    return [
        Problem(
            "no_recipe",
            "",
            "This looks like a list, not a recipe: no step cooks anything and nothing is poured. Add the steps, or how much water goes in.",
            "stop",
        )
    ]


def _of_grain(line: Line, corrections: tuple[Correction, ...]) -> list[Problem]:
    out = []
    if line.ml is None or line.ml <= 0:
        out.append(
            Problem(
                "no_amount",
                line.text,
                "This line does not say how much; write an amount before it, such as 200 g or 1 cup.",
                "stop",
            )
        )
    elif (line.g or 0) > MOST_GRAIN_G:
        out.append(
            Problem(
                "absurd_amount",
                line.text,
                f"{(line.g or 0) / 1000:.0f} kg of grain fits no home pot; is the unit right? Write at most 5 kg.",
                "stop",
            )
        )
    if line.kind == "generic rice" and not any(c.line.strip() == line.text.strip() and c.grain for c in corrections):
        out.append(
            Problem(
                "unnamed_rice",
                line.text,
                "It only says rice: I took long-grain white. Touch the line if it is another.",
                "note",
            )
        )
    return out


def _beans(recipe: Recipe) -> list[Problem]:
    """Dry kidney beans that only ever see a slow cooker poison: nothing is reckoned for them."""
    prose = " ".join(s.text for s in recipe.steps)
    if not recipe.dry_beans or not re.search(r"\b(?:slow[ -]cook\w*|crock[ -]?pot)\b", prose, re.I):
        return []
    if re.search(r"\bboil", prose, re.I):
        return []
    return [
        Problem(
            "slow_beans",
            "",
            f"Dry {recipe.dry_beans[0].name} cooked only in a slow cooker can poison: soak them, throw that water away and boil them hard "
            "for at least 10 minutes first; write that into the recipe, or take tinned ones.",
            "stop",
        )
    ]


# "grind the dal fluffy, the rice coarse with a cup of water", "blend rice and water, strain"
_TO_BATTER = quick(
    r"\b(?:grind|ground|blend|blitz)\w*\b[^.!?]{0,60}\brice\b[^.!?]{0,40}\bwater\b|\b(?:grind|blend|blitz)\w*\b[^.!?]{0,40}\bto (?:an? )?(?:\w+ )?batter\b|\b(?:grind|ground)\b[^.!?]{0,40}\bferment",
    re.I,
)

# "soak the rice overnight. Blend with the rest of the water till smooth", and nothing is cooked
_TO_DRINK = lazy(
    r"\b(?:blend|blitz|liquidi[sz]e|whi[zs]z|grind)\w*\b[^.!?]{0,60}\b(?:smooth|water|milk|fine|milky)\b", re.I
)


def _ground_wet(recipe: Recipe) -> bool:
    """Is the grain ground with water before it meets any heat?"""
    told = any(o.phase in ("heat", "whistles", "come_up") and o.told for o in recipe.process.operations)
    if not told and any(_TO_DRINK.search(s.text) for s in recipe.steps):
        return True
    heat = next((o.told.start for o in recipe.process.operations if o.phase == "heat" and o.told), None)
    return any(
        (m := _TO_BATTER.search(as_rice(s.text))) is not None and (heat is None or s.span.start + m.start() < heat)
        for s in recipe.steps
    )


def _of_pot(recipe: Recipe) -> list[Problem]:
    line = recipe.source_line
    if line is None or not line.grain:
        return []
    if line.cooked:
        return [
            Problem(
                "no_water",
                "",
                "The recipe starts from cooked grain: the water to cook it in is the grain's own account.",
                "note",
            )
        ]
    out = []
    if recipe.liquid_water_ml <= 0 and recipe.method != "drain":
        out.append(
            Problem(
                "no_water",
                "",
                "The recipe says nowhere how much water goes in; I use the grain's own account. Add the amount if you know it.",
            )
        )
    if recipe.simmer_min is None:
        if recipe.whistles is None:
            out.append(
                Problem("no_minutes", "", "I found no minutes at the heat for this grain; I use the grain's own time.")
            )
    else:
        usual = grain(line.grain).simmer
        if (
            grain(line.grain).whole
            and recipe.simmer_min < 0.55 * usual
            and recipe.method in ("covered", "open", "drain")
        ):
            out.append(
                Problem(
                    "implausible_minutes",
                    "",
                    f"{recipe.simmer_min:.0f} minutes is short for {grain(line.grain).name}, which "
                    f"takes about {usual:.0f}: is it a quick-cook kind, or another rice?",
                )
            )
    prose = " ".join(s.text for s in recipe.steps)
    mentioned = {m for s in recipe.steps for m in s.mentions}
    if recipe.steps and not ALL_OF_IT.search(prose):
        for ln in recipe.lines:
            if (
                ln.index not in mentioned
                and not ln.section.startswith("step")
                and ln.role not in ("salt", "source_grain")
                and not kept_ready(ln.text)
                and ln.name
                and not _spoken_of_together(ln, prose)
            ):
                out.append(Problem("unused", ln.text, f"No step says what becomes of “{ln.name}”.", "note"))
    for ln in recipe.lines:
        if (
            ln.unit == "cup"
            and ln.kind in ("coconut milk", "light coconut milk", "tomato", "pulse")
            and re.search(r"\d\s*c\b", ln.text)
        ):
            out.append(
                Problem("can_or_cup", ln.text, "Is “c” a cup here, or a can? I took a cup; write “tin” if it is one.")
            )
    shared = re.search(
        r"\b(?:save|keep|set aside|reserve|put aside)\b[^.]{0,30}\b(?:half|a third|the rest|some)\b[^.]{0,40}\b(?:rice|grain|it)\b",
        prose,
        re.I,
    )
    if shared:
        out.append(
            Problem(
                "shared_pot", "", "Part of this pot is for another dish: the amounts are for the whole pot.", "note"
            )
        )
    if not grain(line.grain).is_meal and _ground_wet(recipe):
        out.append(
            Problem(
                "batter",
                line.text,
                "Here the grain is ground with its water, for a batter or a drink: I reckon pots of whole grain, so trust neither my water nor my minutes for this one.",
            )
        )
    second = [ln for ln in recipe.lines if ln.grain and ln.role == "absorber"]
    with_it = grain_lines(recipe)
    if second and all(ln in with_it for ln in second):
        out.append(
            Problem(
                "two_rices",
                second[0].text,
                "Two rices share the pot: they are one to it, and both are shifted.",
                "note",
            )
        )
    elif second:
        out.append(
            Problem(
                "two_grains",
                second[0].text,
                f"A second grain is in the pot; it stays as it is and only {grain(line.grain).name} is shifted.",
            )
        )
    apart = [
        ln
        for ln in recipe.lines
        if ln.grain and ln.role == "beside" and not ln.cooked and ln.ml and ln.grain != line.grain
    ]
    if apart and not second and any(grain(ln.grain or "").family == "rice" for ln in apart):
        out.append(
            Problem(
                "own_pot",
                apart[0].text,
                f"“{apart[0].text}” has a pot of its own: it stays as it is, and only {grain(line.grain).name} is shifted. Touch it to shift that one.",
                "note",
            )
        )
    if not recipe.steps:
        out.append(Problem("no_steps", "", "I found no steps; the grain's own steps are written for you."))
    return out
