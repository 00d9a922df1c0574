"""What a text says of its own vessels: what its cup, glass or mug holds, and which pints it means."""

from __future__ import annotations

import re
from dataclasses import replace

from ..measures import Measures, as_one, canonical_unit, number_range
from ..quick import found_in, lazy, quick
from ..recipe import Line
from ..text.amounts import AMOUNT, parse

_DEFINED = quick(
    # nothing of it begins within a word
    r"(?:\b|(?=\())(?:(?:(?<![\w.,/])(?P<many>\d{1,2}(?:[.,]\d|\s?[½¼¾⅓⅔]|\s\d/\d)?|[½¼¾⅓⅔]|an?|one|two|three|four)[^\S\n]+)?\b(?P<v>cup|glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati|measure|pot|bardak|bardağı|verre|vaso|bicchiere|szklanka|tasse|taza)s?\s*(?:=|is|size|holds?|of|to hold)\s*(?:about|abt|approx\.?|around|like|roughly|some|just|exactly|~)?\s*(?P<n>\d{2,4})\s*(?P<u>ml|g|cc)\b"
    r"|\b(?P<k>\d|one|a)\s+(?P<v3>glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati)(?:es|s)?\s*\((?:about|abt|approx\.?|~|=)?\s*(?P<n4>\d{2,4})\s*(?:ml|cc)\)"
    r"|\b(?P<n2>\d{2,4})\s*-?\s*ml (?:(?:standard|metric|measuring|US) )*(?P<v2>cup|glass|mug|katori|tumbler|bowl|coffee cup)s?\b(?! of (?!(?:the |raw |uncooked )?(?:rice|grain|water|stock)\b))|\((?P<n3>\d{2,3})\s*ml cup\)|\bcups?\s*\([^()\d]{0,12}(?P<n5>\d{3})\s*ml (?:each|per cup)\))",
    re.I,
)
# "All cups are metric (250 ml)", "Cup used: 250 ml", "1 cup (250 ml), 1 tbsp (15 ml)", "the cup I use is a small one, about 200 ml"
_THE_CUP = quick(
    r"(?:\b(?:measuring|standard|metric|my|our|tea|US|American|Australian|Canadian|Japanese|imperial) cups?\s*[,:(–—-]\s*(?:about |each )?"
    r"|^\W*cups?\s*[:=]\s*|\b1 cup\s*[:(]\s*(?=\d{3}\s*ml\)?\s*(?:[,;|.]|$))"
    r"|\b(?:tea ?)?cups?(?= (?:here|that|which|I use|we use|I used|used|measure|size|is|are|means?|holds?|metric)\b)(?: (?:here|that|which|I use|we use|I used|used|measure|measurement|measures|size|is|are|means?|holds?|metric|a|small|large|one))+\s*[,:=(]?\s*(?:(?:about|around|roughly|abt)\s+)?)(?P<n>\d{3})\s*ml\b",
    re.I | re.M,
)
# a cup that holds less or more is none to measure with
CUP_FROM, CUP_TO = 120.0, 400.0
# what each of these holds, and how far from it its vessel may stand
_SIZE = lazy(r"[0-9][0-9]\s*-?\s*(?:ml|g|cc)\b", re.I)
_VESSEL = quick(
    r"cup|glass|mug|katori|tumbler|bowl|bati|vati|measure|pot|bardak|bardağı|verre|vaso|bicchiere|szklanka|tasse|taza",
    re.I,
)
BESIDE = 70
# "1 cup basmati (I use a 250 ml mug)"
_CUP_IS = quick(
    r"\bcups?\b[^()\n]{0,40}\((?:I use|using|mine is|my cup is|use)\s+(?:an? |my )?(?P<n>\d{2,3})\s*ml\b[^()]{0,20}\)",
    re.I,
)
# "(pot = the small steel milk pot, quarter litre)", "the blue mug, it holds a cup and a half", "the mug is about 10 oz"
_HOLDS = quick(
    r"\b(?P<v>glass|mug|katori|tumbler|coffee cup|teacup|bowl|bati|vati|measure|pot)s?\b[^.;\n=]{0,30}?(?:=|\bholds?|\bis|\bit's|\bits)\s*(?:[^.;\n\d=]{0,50}?,\s*)?(?:about|abt|approx\.?|around|roughly)?\s*",
    re.I,
)
# "3 mugs = 750 ml": more than one, which `_DEFINED` reckons with
_SO_MANY = lazy(r"(?:\b(?:[2-9]|\d\d|two|three|four)|[½¼¾])\s*$", re.I)
# letters from the vessel to what it holds, where only a sign stands between
DIRECTLY = 5
FLUID_OUNCE_ML = 29.57
# "one small cup of rice, that's about 150 grams … four cups of water, same cup"
_SAME_AGAIN = quick(r"\bsame (?P<v>cup|glass|mug|katori|tumbler|teacup|bowl|bati|vati|measure)\b", re.I)
_WEIGHED = quick(
    r"\b(?P<n>\d{1,2}|an?|one|two|three|four) (?:small |little |big |large |level )?(?P<v>cup|glass|mug|katori|tumbler|teacup|bowl|bati|vati|measure)(?:es|s)? (?:of )?(?:[^\W\d]+ ){0,3}?rice\s?[,(–—-]\s*(?:that'?s |that is |which is |it'?s )?(?:about |abt |ca\.? |~ ?|roughly |around )?(?P<g>\d{2,4}) ?(?:g|gr|grams?)\b",
    re.I,
)
# g/ml of raw rice (grains/data)
RICE_G_PER_ML = 0.78
_COOKER_CUP = quick(
    r"\bcups?\b[^.\n]{0,30}\b(?:that c[oa]mes? with|of|from) (?:the |your )?(?:rice )?cooker|\b(?:plastic|little) cup\b[^.\n]{0,30}cooker|\brice[- ]cooker[- ]cups?\b|\bcooker cups?\b",
    re.I,
)
# "2 cups rice, then water to the 2 line": the lines of a rice cooker count its own cups; "the plastic cup? yes, the one that came with it"
_TO_ITS_LINE = quick(
    r"\b(?P<n>\d(?:\.5)?|one|two|three|four)(?: rice)? cups?\b[^.;]{0,60}?\b(?:to|up to|till|at) (?:the )?(?:number |no\.? |mark |brown |white )?(?P=n)[- ](?:cup[- ])?(?:line|mark)\b",
    re.I,
)
_A_LINE = lazy(r"\b(?:line|mark)\b", re.I)
_ITS_OWN_CUP = quick(r"\bthe (?:one|cup) (?:that|which) (?:came|comes) (?:with it|in the box)\b", re.I)
_IN_RICE_COOKER = quick(r"\b(?:(?:rice[- ]?)?cooker|keep[- ]warm|press (?:cook|start))\b", re.I)


def own_measures(told: str, measures: Measures) -> Measures:
    """ "1 cup = 250 ml", "2 cups (180ml cup)": the text's own vessel goes before the household's."""
    cup, measure = measures.cup_ml, measures.measure_ml
    its_own = _COOKER_CUP.search(told) or (
        (_ITS_OWN_CUP.search(told) or _A_LINE.search(told) and _TO_ITS_LINE.search(told))
        and _IN_RICE_COOKER.search(told)
    )
    if its_own and not re.search(r"\b(?:measuring|US|standard) cups?\b", told):
        cup = 180.0
    if (m := _THE_CUP.search(told)) and CUP_FROM <= float(m["n"]) <= CUP_TO:
        cup = float(m["n"])
    for m in _defined(told):
        word = (m["v"] or m["v2"] or m["v3"] or "cup").lower()
        size = float(m["n"] or m["n2"] or m["n3"] or m["n4"] or m["n5"])
        if many := m["k"] if m["v3"] else m["many"]:
            # "3 mugs (750 ml)", "3 cups = 700 ml"
            size /= number_range(many)[0] or 1.0
        if m["u"] and m["u"].lower() == "g" or not 20 <= size <= 1000:
            continue
        if word == "cup":
            cup = size
        else:
            measure = size
    if (same := _SAME_AGAIN.search(told)) and (
        weighed := next((m for m in found_in(_WEIGHED, told) if m["v"].lower() == same["v"].lower()), None)
    ):
        size = float(weighed["g"]) / (number_range(weighed["n"])[0] or 1.0) / RICE_G_PER_ML
        if 60 <= size <= 500:
            cup, measure = (size, measure) if same["v"].lower() == "cup" else (cup, size)
    if (told_cup := _CUP_IS.search(told)) and 90 <= float(told_cup["n"]) <= 500:
        cup = float(told_cup["n"])
    for m in found_in(_HOLDS, told)[:6]:
        counted = m.end() - m.end("v") <= DIRECTLY and _SO_MANY.search(told, max(0, m.start() - 8), m.start())
        said = None if counted else AMOUNT.match(told, m.end())
        unit = canonical_unit(said["u"] or "") if said else None
        ends = re.compile(r"[);,\n]|\.(?!\d)|$").search(told, m.end())
        if said is None or unit is None or ends is None:
            continue
        # to the end of what is said: "a cup and a half"
        vessel = parse(told, said.start(), ends.start(), replace(measures, cup_ml=cup, measure_ml=measure))
        if vessel.name and vessel.name.split(",")[0].lower() not in ("filled", "full", "level"):
            continue
        held = vessel.ml or (FLUID_OUNCE_ML * (vessel.value or 0.0) if unit == "oz" else None)
        if held and 60 <= held <= 1500:
            measure = held
    return replace(measures, cup_ml=cup, measure_ml=measure, pints=measures.pints or _pints(told))


def _defined(told: str) -> list[re.Match[str]]:
    """Where a vessel is told in millilitres. Only the lines beside such an amount and a vessel are looked at: most texts have none."""
    out: list[re.Match[str]] = []
    done = 0
    for m in _SIZE.finditer(told):
        a, b = max(0, m.start() - BESIDE), told.find("\n", m.end() + BESIDE)
        a, b = max(done, told.rfind("\n", 0, a) + 1), len(told) if b < 0 else b
        if m.start() >= done and _VESSEL.search(told, a, b):
            out += _DEFINED.finditer(told, a, b)
            done = b
    return out[:6]


def vessel_told(told: str) -> bool:
    """Does the text itself say what its glass, mug or katori holds?"""
    return any((m["v"] or m["v2"] or m["v3"] or "cup").lower() != "cup" for m in _defined(told)) or any(
        AMOUNT.match(told, m.end()) for m in found_in(_HOLDS, told)[:6]
    )


def vessel_of(line: Line) -> str:
    """The vessel in the recipe's own word, as one: "tazas" is a taza."""
    span = line.amount_span
    words = line.text[span.start : span.end].rstrip(". ") if span else ""
    # "a mug and a half"
    words = words.removesuffix(" and a half")
    said = re.search(r"[^\W\d_]+ [^\W\d_]+$", words)
    if said is None or canonical_unit(said[0]) != line.unit:
        said = re.search(r"[^\W\d_]+(?: cups?)?$", words)
    if said is None or canonical_unit(said[0]) != line.unit:
        # "vikombe 2"
        said = re.match(r"[^\W\d_]+", words)
    if said is None or canonical_unit(said[0]) != line.unit:
        # a word that is no unit, but was taken for a vessel's
        said = re.search(r"(?<=\s)[^\W\d_]+(?:-[^\W\d_]+)*$", words)
        return as_one(said[0]).lower() if said and not canonical_unit(said[0]) else line.unit
    one = as_one(said[0])
    return one.lower() if canonical_unit(one) == line.unit else said[0].lower()


def with_its_vessel_known(text: str, line: Line) -> str:
    """A text that measures in the line's vessel, with a unit in place of a word that is none: "4¼ blims" → "4¼ katori"."""
    word = vessel_of(line)
    return (
        text
        if not line.unit or canonical_unit(word)
        else re.sub(rf"\b{re.escape(word)}s?\b", line.unit, text, flags=re.I)
    )


_PINTS = quick(r"\b(?:pints?|pts?|quarts?|qts?|gal(?:lon)?s?)\b", re.I)
_IMPERIAL = quick(
    r"\b(?:gills?|quartern|ozs|hob|gas mark|caster|castor|aubergines?|courgettes?|treacle|sultanas|teacupful|breakfastcup\w*|dripping|new milk|loaf[- ]sugar"
    r"|patna|carolina rice|tins? of|plain flour|double cream|single cream|litres?|grammes?|stone|shillings?|coriander leaves)\b|\b\d+[ds]\.(?=\s|,)|£|°C",
    re.I,
)
_AMERICAN = quick(
    r"\b(?:sticks? (?:of )?(?:butter|oleo|margarine)|oleo|skillet|dutch oven|all-purpose|half-and-half|half & half|heavy cream|cilantro|scallions?|green onions?"
    r"|kosher|ground (?:beef|chuck|turkey|pork)|broil\w*|hotdish|casserole dish|cans?|crockpot|crock-pot|shortening|confectioners?)\b|°\s?F|\b3[257][05]\s?(?:F\b|degrees)",
    re.I,
)


def _pints(told: str) -> str:
    """Which pints and quarts a text means, by its other words; "" if it has none, or they do not tell."""
    if not _PINTS.search(told):
        return ""
    here, there = len(_IMPERIAL.findall(told)), len(_AMERICAN.findall(told))
    return "imperial" if here > there else "american" if there > here else ""
