"""The last stage: do the facts fit together, and which of them must be asked?

Every fact has a confidence: of its tagger, of its amount's words, of how it lies to what this grain usually takes. What is below its bar becomes a doubt
with the two or three likeliest readings, each with the correction that settles it by one touch. The bars are set on texts by hands that the weights were not
trained on (docs/reading.md).
"""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..grains import grain
from ..measures import RANGE_PATTERN, UNIT_PATTERN, USUAL_TIN, unit_kind
from ..quick import lazy, quick
from ..recipe import Correction, Doubt, Duration, Line, Reading, Recipe, Step
from .clauses import Clause
from .ingredients import UNLIKELY
from .instead import in_a_bracket, instead, own_words
from .names import find_grains
from .own_measures import vessel_of
from .settle import Settled
from .structure import Structure
from .told_minutes import LONGEST_REST

SURE = {"simmer": 0.94, "rest": 0.94, "soak": 0.93, "method": 0.86, "water": 0.9}
_SAID = {
    "heat": "at the heat",
    "come_up": "until it boils",
    "rest": "closed, off the heat",
    "release": "until the pressure is down",
    "soak": "a soak",
    "pan": "in the pan before the grain",
    "toast": "the grain fried dry",
    "from_end": "before the end",
    "from_start": "after the start",
    "whistles": "whistles",
    "other": "something else",
}
_WAYS = {
    "covered": "under a lid",
    "open": "open",
    "stirred": "open, stirred",
    "drain": "in plenty, drained",
    "steam": "steamed",
    "oven": "in the oven",
    "rice-cooker": "in a rice cooker",
    "pressure": "in a pressure cooker",
    "electric-pressure": "in an electric pressure cooker",
    "microwave": "in the microwave",
    "cooked": "already",
}


def doubts(
    recipe: Recipe,
    found: Sequence[Clause],
    tagged: Sequence[tuple[str, float]],
    way: tuple[str, float, list[tuple[str, float]]],
    settled_minutes: Settled,
    laid: Structure,
    corrections: tuple[Correction, ...],
    vessel_told: bool = False,
) -> list[Doubt]:
    """vessel_told: the text says what its own vessel holds."""
    line = recipe.source_line
    if line is None:
        return []
    settled = {" ".join(c.line.split()) for c in corrections}
    out = [*_grain(recipe, line, settled), *_amount(recipe, line, settled, vessel_told)]
    if not line.cooked:
        out += _minutes(recipe, line, settled_minutes)
        out += _method(way, corrections)
        out += _water(recipe, line, tagged, settled)
    out += _servings(recipe, laid, corrections)
    out += _count_out(recipe, tagged, settled)
    return out


def _one(field: str, line: str, text: str, *choices: tuple[str, Correction]) -> Doubt:
    return Doubt(field, line, text, tuple(Reading(label, c) for label, c in choices))


_ANOTHER_MEANT = lazy(r"\bor\b|\bblend\b|\bmix(?:ed)?\b|\bany\b|(?:&|\band|\+) wild\b", re.I)


def _offered(line: Line) -> list[str]:
    """Grains that the line offers instead, and that are cooked otherwise: brown for white, quinoa for rice."""
    mine = grain(line.grain or "")
    places = instead(line.text)
    if any(in_a_bracket(line.text, a) for a, _ in places):
        # "long rice (basmati or American)" may be neither
        return [mine.slug]
    said = [f.slug for a, b in places for f in find_grains(line.text[a:b]) if not f.generic]
    return [s for s in said if s != mine.slug and (grain(s).whole, grain(s).family) != (mine.whole, mine.family)]


# cooked beforehand by its maker: "Minute rice", "quick-cook"
_QUICK = lazy(r"(?<!not )(?<!not the )\b(?:instant|minute|quick|pre-?cooked|ready)\b", re.I)


def _grain(recipe: Recipe, line: Line, settled: set[str]) -> list[Doubt]:
    if " ".join(line.text.split()) in settled:
        return []
    out = []
    quick_one = _QUICK.search(own_words(line.text)) if "quick" not in (line.grain or "") else None
    # "rice, rinsed and ready" is any
    if quick_one and (line.kind != "generic rice" or quick_one[0].lower() != "ready"):
        out.append(
            _one(
                "grain",
                line.text,
                "A quick rice needs far less: is it cooked beforehand by its maker?",
                (grain(line.grain or "").name, Correction(line.text, grain=line.grain)),
            )
        )
    elif line.kind == "generic rice":
        slugs = ("rice-white-long", "basmati", "rice-white-medium")
        out.append(
            _one(
                "grain",
                line.text,
                "It only says rice. Which is it?",
                *((grain(s).name, Correction(line.text, grain=s)) for s in slugs),
            )
        )
    elif line.grain == "rice-black-sticky":
        out.append(
            _one(
                "grain",
                line.text,
                "Black rice that turns sticky, or the black that stays apart?",
                *((grain(s).name, Correction(line.text, grain=s)) for s in ("rice-black-sticky", "rice-black")),
            )
        )
    elif _ANOTHER_MEANT.search(own_words(line.text)) or _offered(line):
        either = dict.fromkeys([line.grain or "", *_offered(line)])
        out.append(
            _one(
                "grain",
                line.text,
                f"I took {grain(line.grain or '').name}. Is it that one?",
                *((grain(s).name, Correction(line.text, grain=s)) for s in either),
            )
        )
    others = [
        ln
        for ln in recipe.lines
        if ln.grain
        and ln.index != line.index
        and grain(ln.grain).family == "rice"
        and ln.ml
        and (ln.g or 0) >= 0.4 * (line.g or 1e9)
    ]
    if others:
        first, second = (Correction(ln.text, role="source_grain") for ln in (line, others[0]))
        choices = (Reading(line.text, first), Reading(others[0].text, second), Reading("both, as one", first, second))
        text = f"There are two rices: “{line.text}” and “{others[0].text}”. Which is shifted?"
        # the amount hangs on it too
        out += [Doubt(field, line.text, text, choices) for field in ("amount", "grain")]
    return out


def found_in_talk(line: Line, corrections: tuple[Correction, ...]) -> list[Doubt]:
    """The grain stood in what was taken for talk: is it the recipe's at all?"""
    if any(" ".join(c.line.split()) == " ".join(line.text.split()) for c in corrections):
        return []
    name = grain(line.grain or "").name
    return [
        _one(
            "grain",
            line.text,
            f"I took “{line.text}” for the grain that is cooked. Is it?",
            (name, Correction(line.text, grain=line.grain)),
            ("it is not", Correction(line.text, role="beside")),
        )
    ]


def misspelt_unit(line: Line, word: str, corrections: tuple[Correction, ...]) -> list[Doubt]:
    """A word that is no unit was read as the one it looks like."""
    if any(" ".join(c.line.split()) == " ".join(line.text.split()) for c in corrections):
        return []
    ml = f"{line.ml or 0:.0f} ml"
    return [
        _one(
            "amount",
            line.text,
            f"I read “{word}” as “{line.unit}”: {ml} of grain. Is it?",
            (ml, Correction(line.text, amount=ml)),
        )
    ]


def listed_cooked(line: Line) -> list[Doubt]:
    """The list has the grain cooked, and a step boils it: so much of it, or so much dry?"""
    said = line.text[line.amount_span.start : line.amount_span.end] if line.amount_span else line.text
    dry = f"{line.g or 0:.0f} g"
    return [
        _one(
            "amount",
            line.text,
            f"The list has it cooked, and a step cooks it: is {said} what it comes to, or the dry grain?",
            (f"{said} cooked, from {dry} dry", Correction(line.text, amount=dry)),
            (f"{said} dry", Correction(line.text, amount=said)),
        )
    ]


# letters behind the grain's amount in which it is corrected
NEAR = 90
# "2 cups jasmine. wait theres 6 of u. 3 cups": said again, and otherwise
_SAID_AGAIN = quick(
    rf"(?:(?:no[,.]? )?wait|no no|sorry|i mean|make (?:it|that)|scrap that|correction|actually|\bnein\b|\bperdón\b)\b[^\n]{{0,40}}?(?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})(?![\w]))(?! (?:of )?(?!rice\b|basmati\b|jasmine\b)[^\W\d_]{{3}})",
    re.I,
)


def _vessels_told(recipe: Recipe) -> set[str]:
    """The vessels of which the cook said at one line what they hold."""
    return {vessel_of(ln) for ln in recipe.lines if ln.corrected and unit_kind(ln.unit) in ("vessel", "measure")}


def _amount(recipe: Recipe, line: Line, settled: set[str], vessel_told: bool) -> list[Doubt]:
    if " ".join(line.text.split()) in settled:
        return []
    at = line.span.start + line.amount_span.end if line.amount_span else line.span.end
    if line.amount_span and (again := _SAID_AGAIN.search(recipe.plain, at, at + NEAR)):
        first = line.text[line.amount_span.start : line.amount_span.end]
        return [
            _one(
                "amount",
                line.text,
                f"You say {first}, and then {again['a']}. Which is meant?",
                (first, Correction(line.text, amount=first)),
                (again["a"], Correction(line.text, amount=again["a"])),
            )
        ]
    usual = grain(line.grain).density if line.grain and not line.cooked else 0.0
    if usual and line.ml and line.g and not 1 / UNLIKELY <= line.g / line.ml / usual <= UNLIKELY:
        return [
            _one(
                "amount",
                line.text,
                f"{line.ml:.0f} ml of it do not weigh {line.g:.0f} g. Which is meant?",
                (f"{line.ml:.0f} ml", Correction(line.text, amount=f"{line.ml:.0f} ml")),
                (f"{line.g:.0f} g", Correction(line.text, amount=f"{line.g:.0f} g")),
            )
        ]
    if (
        unit_kind(line.unit) in ("vessel", "measure")
        and line.unit
        and not vessel_told
        and vessel_of(line) not in _vessels_told(recipe)
        and not re.search(r"\d\s*(?:ml|g)\b", line.text, re.I)
    ):
        return [
            _one(
                "amount",
                line.text,
                f"How much does the {vessel_of(line)} hold? I reckon with your own measure.",
                ("150 ml", Correction(line.text, amount=f"{150 * (line.quantity or 1):g} ml")),
                ("250 ml", Correction(line.text, amount=f"{250 * (line.quantity or 1):g} ml")),
            )
        ]
    if (
        unit_kind(line.unit) == "count"
        and line.unit
        or line.unit in ("tbsp", "spoon")
        or line.quantity_range
        and line.quantity_range[1] > 1.3 * line.quantity_range[0]
    ):
        return [
            _one(
                "amount",
                line.text,
                f"I took this as {line.g or 0:.0f} g of grain. Is that right?",
                (f"{line.g or 0:.0f} g", Correction(line.text, amount=f"{line.g or 0:.0f} g")),
            )
        ]
    if line.section.startswith("step") and not line.unit:
        return [_one("amount", line.text, f"I took this as {line.g or 0:.0f} g of grain. Is that right?")]
    return []


def _minutes(recipe: Recipe, line: Line, settled: Settled) -> list[Doubt]:
    """A doubt where another reading of the minutes is nearly as likely: at the stretches that make the difference."""
    out: list[Doubt] = []
    said = {(st.index, d.span.start) for st in recipe.steps for d in st.durations if d.sure >= 1.0}
    for kind, field in (("heat", "simmer"), ("rest", "rest"), ("soak", "soak")):
        if settled.sure[field] >= SURE[field]:
            continue
        near = sorted(settled.timed, key=lambda t: abs(t.chance(kind) - 0.5))
        for t in near[:2]:
            if (t.block, t.stretch.start) in said or t.block >= len(recipe.steps) or not 0.02 < t.chance(kind) < 0.995:
                continue
            st = recipe.steps[t.block]
            d = next((d for d in st.durations if d.span.start == t.stretch.start), None)
            if d is not None:
                out.append(_stretch(field, st, d, kind))
    soaks = [(st, d) for st in recipe.steps for d in st.durations if d.kind == "soak"]
    for st, d in soaks:
        # "overnight, or 4 hours at the least": either is a soak
        if re.search(r"ni(?:ght|te)", d.text, re.I) and len(soaks) > 1 and not any(x.field == "soak" for x in out):
            out.append(_stretch("soak", st, d, "soak"))
    for st in recipe.steps:
        for d in st.durations:
            # "turn off the heat and leave to cool in the pot, at least 2 hours": as often left to cool, or kept
            stands = d.kind == "rest" and d.low > LONGEST_REST and (st.index, d.span.start) not in said
            if stands and not any(x.field == "rest" for x in out):
                out.append(_stretch("rest", st, d, "rest"))
    if (short := _too_short(recipe, line)) and not any(x.field == "simmer" for x in out):
        out.append(_stretch("simmer", *short, "other"))
    counted = [(st, d) for st in recipe.steps for d in st.durations if d.kind == "heat"] if recipe.whistles else []
    for st, d in counted:
        # by the clock and by the ear: every cooker differs
        if (st.index, d.span.start) not in said and not any(x.field == "simmer" for x in out):
            out.append(_stretch("simmer", st, d, "other"))
    if (
        recipe.simmer_min is None
        and recipe.whistles is None
        and recipe.method != "rice-cooker"
        and not any(x.field == "simmer" for x in out)
    ):
        out.append(_one("simmer", "", "I found no minutes at the heat for this grain. How long does it cook?"))
    return out


# of a grain's usual minutes, less than this is hardly all of them
LEAST_OF_USUAL = 0.5


def _too_short(recipe: Recipe, line: Line) -> tuple[Step, Duration] | None:
    """The longest stretch at the heat where all of them together cannot cook this grain this way: another dish's, or some of it was not seen."""
    if not line.grain or line.cooked or recipe.method not in ("covered", "open", "stirred", "drain", "oven"):
        return None
    if not recipe.simmer_min or recipe.simmer_min >= LEAST_OF_USUAL * grain(line.grain).simmer:
        return None
    heats = [(st, d) for st in recipe.steps for d in st.durations if d.kind == "heat" and d.sure < 1.0]
    return max(heats, key=lambda x: x[1].typical, default=None)


def _stretch(field: str, st: Step, d: Duration, kind: str) -> Doubt:
    kinds = list(dict.fromkeys([d.kind, kind, "rest" if kind == "heat" else "heat" if kind == "rest" else "other"]))[:3]
    around = _words_around(st.text, d.span.start - 46, d.span.end + 14)
    return _one(
        field,
        st.text,
        f"“{around}”: what are the {d.text} for?",
        *((_SAID[k], Correction(st.text, minutes=d.text, kind=k)) for k in kinds),
    )


def _words_around(text: str, start: int, end: int) -> str:
    """Whole words of a step between these places, with dots where it goes on."""
    start, end = max(0, start), min(len(text), end)
    if start and (blank := text.find(" ", start)) >= 0:
        start = blank
    if end < len(text) and (blank := text.rfind(" ", 0, end)) > start:
        end = blank
    return f"{'… ' if start else ''}{text[start:end].strip()}{' …' if end < len(text) else ''}"


def _method(way: tuple[str, float, list[tuple[str, float]]], corrections: tuple[Correction, ...]) -> list[Doubt]:
    label, sure, others = way
    if sure >= SURE["method"] or any(c.method for c in corrections):
        return []
    ways = list(dict.fromkeys([label, *(o for o, _ in others), "covered", "open"]))[:3]
    return [
        _one(
            "method",
            "",
            f"I think it is cooked {_WAYS[label]}. Is it?",
            *((_WAYS[w], Correction("", method=w)) for w in ways),
        )
    ]


# "1 litre stock (you won't need it all)"
_NOT_ALL = lazy(
    r"\b(?:won'?t|will not|may not|might not|don'?t|do not|needn'?t|probably)\b[^.;()]{0,14}\b(?:need|use|want)\b[^.;()]{0,14}\ball\b|\bsome (?:will be |is )?left ?over\b|\bnot all of it\b",
    re.I,
)
# so many times what the grain drinks and a pot loses in millilitres is more than is meant
MUCH, LOST_ML = 1.3, 200.0


def _water(recipe: Recipe, line: Line, tagged: Sequence[tuple[str, float]], settled: set[str]) -> list[Doubt]:
    if recipe.method in ("drain", "steam"):
        return []
    out = []
    told = _vessels_told(recipe)
    for ln, (_, sure) in zip(recipe.lines, tagged, strict=False):
        if " ".join(ln.text.split()) in settled or ln.grain:
            continue
        wet = ln.fraction > 0 or ln.role == "pot_liquid"
        size = ln.ml or ln.g or 0.0
        if wet and ln.role == "pot_liquid" and not size and ln.kind not in ("tomato",):
            out.append(_one("water", ln.text, f"How much “{ln.name or ln.text}” goes in?"))
        elif wet and size >= 0.25 * (line.ml or 1e9) and sure < SURE["water"]:
            out.append(
                _one(
                    "water",
                    ln.text,
                    f"Does “{ln.text}” go into the grain's pot?",
                    ("into the pot", Correction(ln.text, role="pot_liquid")),
                    ("it is for something else", Correction(ln.text, role="beside")),
                    ("when it is cooked", Correction(ln.text, role="after")),
                )
            )
        elif wet and ln.role == "pot_liquid" and unit_kind(ln.unit) == "vessel" and vessel_of(ln) not in told:
            out.append(_one("water", ln.text, f"How much does the {vessel_of(ln)} hold?"))
        elif (
            wet
            and ln.role == "pot_liquid"
            and (ln.unit == "packet" or (ln.unit == "tin" and ln.ml == USUAL_TIN * (ln.quantity or 1.0)))
            and not re.search(r"\d\s*-?\s*(?:ml|g|oz|ounce)", ln.text, re.I)
        ):
            out.append(_one("water", ln.text, f"How large is the {ln.unit}? I took 400 ml."))
    rich = [
        ln
        for ln in recipe.lines
        if ln.kind == "coconut milk" and ln.role == "pot_liquid" and (ln.ml or 0) >= 0.25 * (line.ml or 1e9)
    ]
    for ln in rich:
        if " ".join(ln.text.split()) not in settled and not re.search(
            r"\b(?:thick|thin|light|lite|full[- ]fat|cream)\b", ln.text, re.I
        ):
            out.append(
                _one(
                    "water",
                    ln.text,
                    f"Thick or thin? I count {ln.water:.0f} ml of water in “{ln.name or ln.text}”; a thin one brings more.",
                )
            )
    water = recipe.liquid_water_ml
    g = grain(line.grain or "")
    if not out and line.g:
        low, high = g.texture_range()
        least = 0.6 * line.g * g.hydration_at(max(0.0, low))
        wet_dish = recipe.dish in ("porridge", "pudding", "soup", "stirred", "soft")
        most = (14 if wet_dish else 2.6) * line.g * g.hydration_at(min(2.0, high)) + 250
        spare = next((ln for ln in recipe.lines if ln.carrier and ln.water and _NOT_ALL.search(ln.text)), None)
        if spare and not wet_dish and water > MUCH * (line.g * g.hydration_at(min(1.0, high)) + LOST_ML):
            out.append(_one("water", spare.text, f"Not all of “{spare.text}” goes in, it says. How much does?"))
        if water <= 0:
            out.append(_one("water", "", "I found no water for the grain. How much goes in?"))
        elif not least <= water <= most and recipe.method not in ("pressure", "electric-pressure"):
            out.append(
                _one(
                    "water",
                    "",
                    f"{water:.0f} ml is {'little' if water < least else 'much'} for {line.g:.0f} g of {g.name}. Is a liquid missing, or not for the pot?",
                )
            )
    return out


def _servings(recipe: Recipe, laid: Structure, corrections: tuple[Correction, ...]) -> list[Doubt]:
    if any(c.servings for c in corrections):
        return []
    if recipe.servings is None:
        return [
            _one(
                "servings",
                "",
                "How many does it serve?",
                *((str(n), Correction("", servings=float(n))) for n in (2, 4, 6)),
            )
        ]
    if not laid.servings_sure:
        n = recipe.servings
        return [
            _one(
                "servings",
                "",
                f"I think it serves {n:g}. Does it?",
                *((f"{x:g}", Correction("", servings=x)) for x in (n, n + 2)),
            )
        ]
    return []


_MAYBE_WHOLE = quick(
    r"\b(?:ginger|chill?i(?:es)?|chiles?|pepper|curry leaves|thyme|rosemary|sprigs?|peel|rind|zest|leaf|leaves|stick|pods?|whole|smashed|bruised|coins?|slices?|knob|adrak|mirch)\b",
    re.I,
)


_GROUND = quick(r"(?:(?:freshly|ground|black|white|cracked|milled) )*pepper(?: base)?", re.I)
# nobody fishes these out, unless they are said to be whole or smashed
_EATEN = quick(r"(?:(?:spring|green|red|small|large) )*(?:garlic|onions?|scallions?|shallots?|leeks?)", re.I)
_CUT_UP = quick(
    r"\b(?:blended|chopped|minced|diced|grated|ground|shredded|puree|purée|pureed|paste|powder|powdered)\b", re.I
)
_ALWAYS_WHOLE = lazy(
    r"\b(?:bay lea(?:f|ves)|cinnamon sticks?|sticks? (?:of )?cinnamon|star anise|pandan|lemon ?grass)\b", re.I
)


def _count_out(recipe: Recipe, tagged: Sequence[tuple[str, float]], settled: set[str]) -> list[Doubt]:
    out = []
    for ln, (label, sure) in zip(recipe.lines, tagged, strict=False):
        if " ".join(ln.text.split()) in settled:
            continue
        counted = any(c.startswith(ln.text) for c in recipe.count_out)
        if counted and _ALWAYS_WHOLE.search(ln.text) or _GROUND.fullmatch(ln.name):
            # nobody eats them; and "salt, pepper" is ground
            continue
        if ln.role in ("absorber", "timed") and not counted:
            # "whole mung beans" are whole, and eaten
            continue
        if ln.kind == "not spice" or (not counted and _CUT_UP.search(ln.text)):
            # a red pepper, ginger that is grated
            continue
        unsure = label == "whole_spice" and (not counted or sure < 0.5) and not _EATEN.fullmatch(ln.name or ln.text)
        maybe = label in ("spice", "other") and sure < 0.75 and ln.unit not in ("tsp", "tbsp")
        if unsure or maybe and _MAYBE_WHOLE.search(ln.text):
            out.append(
                _one(
                    "count_out",
                    ln.text,
                    f"Does “{ln.name or ln.text}” stay whole and come out again before serving?",
                    ("it comes out", Correction(ln.text, whole=True)),
                    ("it is eaten", Correction(ln.text, whole=False)),
                )
            )
    return out
