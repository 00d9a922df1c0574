"""Amounts and units. Inside the engine there are only millilitres and grams; words live here, at the rim.

The kitchen's own vessels (cup, glass, mug, "measure") are values of `Measures`, not constants:
a cup is 237 ml in one house and 250 ml in the next.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache

from .anyof import any_of
from .problems import Refusal

OUNCE_G = 28.35
POUND_G = 453.6
# an American book's cup; a drinking glass: what they hold until a house says otherwise
CUP_ML, MEASURE_ML = 237.0, 240.0


@dataclass(frozen=True, slots=True)
class Measures:
    """The household's vessels in millilitres. `measure` is the cook's own glass or mug. amounts: how they are said (manner.py).

    pints: "imperial" or "american" where a text shows which its pints and quarts are; "": each as it is mostly met (British pints, American quarts).
    """

    cup_ml: float = CUP_ML
    measure_ml: float = MEASURE_ML
    amounts: str = ""
    pints: str = ""


# canonical unit -> (kind, factor to ml or g; None = the household's own), spellings. "vessel": a vessel whose size only its owner knows;
# reckoned as the household's measure, and asked about.
_UNITS: dict[str, tuple[str, float | None, tuple[str, ...]]] = {
    "ml": ("volume", 1.0, ("ml", "mls", "millilitre", "millilitres", "milliliter", "milliliters", "cc")),
    "cl": ("volume", 10.0, ("cl", "centilitre", "centilitres")),
    "dl": ("volume", 100.0, ("dl", "deci", "decilitre", "decilitres", "deciliter", "deciliters")),
    "l": ("volume", 1000.0, ("l", "litre", "litres", "liter", "liters", "ltr", "ltrs", "lt", "litro", "litri", "litros", "lít", "lita", "litra", "litry")),
    "fl oz": ("volume", 29.57, ("fl oz", "fl. oz", "fl.oz", "fluid ounce", "fluid ounces", "fl ozs")),
    "gill": ("volume", 142.0, ("gill", "gills")),
    "breakfast cup": ("volume", 284.0, ("breakfast cup", "breakfast cups", "breakfastcup", "breakfastcups", "breakfastcupful")),
    "wine glass": ("volume", 125.0, ("wine glass", "wine glasses", "wineglass", "wineglasses")),
    "wineglass": ("volume", 60.0, ("wineglassful", "wineglassfuls", "wine-glassful", "wine-glassfuls")),
    "pint": ("volume", 568.0, ("pint", "pints", "pt", "pts")),
    "quart": ("volume", 946.0, ("quart", "quarts", "qt", "qts")),
    "gallon": ("volume", 3785.0, ("gallon", "gallons", "gal", "gals")),
    "g": ("mass", 1.0, ("g", "gr", "gm", "gms", "grm", "grms", "gram", "grams", "gramme", "grammes")),
    "kg": ("mass", 1000.0, ("kg", "kgs", "kilo", "kilos", "kila", "kilogram", "kilograms")),
    # what old and Asian books weigh by; most print the ounces beside it
    "seer": ("mass", 933.0, ("seer", "seers")),
    "chittack": ("mass", 58.3, ("chittack", "chittacks", "chitak", "chitaks")),
    "tola": ("mass", 11.66, ("tola", "tolas")),
    "catty": ("mass", 604.8, ("catty", "catties", "kati", "katis")),
    "dag": ("mass", 10.0, ("dag", "dkg", "deka", "dekas")),
    "oz": ("mass", OUNCE_G, ("oz", "ozs", "ounce", "ounces")),
    "lb": ("mass", POUND_G, ("lb", "lbs", "pound", "pounds")),
    "cup": ("cup", None, ("cup", "cups", "c", "cupful", "cupfuls", "cup/s", "cps", "paper cup", "paper cups")),
    # the cup that comes with a rice cooker: 1 gō
    "cooker cup": (
        "volume", 180.0,
        ("rice-cooker cup", "rice-cooker cups", "rice cooker cup", "rice cooker cups", "cooker cup", "cooker cups", "go", "gō", "gou", "rice cup", "rice cups", "rice measuring cup", "rice measuring cups", "合"),
    ),
    "measure": ("measure", None, ("measure", "measures", "su bardağı", "su bardagi", "bardak", "bardağı", "bardagi", "verre", "verres", "vaso", "vasos", "bicchiere", "bicchieri", "szklanka", "szklanki", "szklanek", "szklankę", "copo", "copos", "sklenice", "pohár", "šalica", "šalice", "čaša", "čaše", "glas", "glasi", "baso", "glass", "glasses", "mug", "mugs", "tumbler", "tumblers", "water glass", "water glasses", "tea glass", "tea glasses", "coffee mug", "coffee mugs", "mugful", "mugfuls", "glassful", "glassfuls", "gls")),
    "coffee cup": ("vessel", None, ("coffee cup", "coffee cups", "coffeecup", "coffeecups")),
    "teacup": ("vessel", None, ("teacup", "teacups", "tea cup", "tea cups", "teacupful")),
    "katori": ("vessel", None, ("katori", "katoris", "vati", "vatis", "bowl", "bowls", "rice bowl", "rice bowls", "bowlful", "soup plate", "soup plates", "deep plate", "deep plates", "pot", "pots", "piring", "cigar cup", "cigar cups", "margarine cup", "margarine cups", "milk tin", "milk tins", "derica", "dericas", "chávena", "chávenas", "chavena", "chavenas", "xícara", "xícaras", "xicara", "xicaras", "tazza", "tazze", "pav", "scoop", "scoops",  "bati", "batis", "mana", "manas", "padi", "nazhi", "uzhakku", "ulakku", "kibaba", "beaker", "beakers", "taza", "tazas", "tz", "tza", "tzas", "tasse", "tassen", "pyali", "pyalis", "piyali", "pyala", "kikombe", "vikombe", "cawan", "cwn", "gelas", "kop", "kopje", "kopjes", "kopp", "koppar", "kopper", "tasa", "tasas", "copo", "copos")),
    "tbsp": ("volume", 15.0, ("tbsp", "tbsps", "tbs", "tablespoon", "tablespoons", "tablespoonful", "tablespoonfuls", "tblsp", "cucharada", "cucharadas", "colher de sopa", "colheres de sopa", "colher (sopa)", "colheres (sopa)", "cucchiaio", "cucchiai", "tbl", "tbls", "tblspn", "tbspn", "tbspns", "msk", "matsked", "matskedar", "spsk", "el", "esslöffel", "eetlepel", "eetlepels", "yemek kaşığı", "sdm", "cuillère à soupe", "cuillères à soupe", "c. à soupe", "c. à s.", "cuil. à soupe", "łyżka", "łyżki", "łyżek", "sb", "sudu besar", "sudu makan", "kutsara", "cda", "cdas")),
    "dessertspoon": ("volume", 10.0, ("dessertspoon", "dessertspoons", "dessert spoon", "dessert spoons", "dsp", "dstspn")),
    "cooking spoon": ("volume", 50.0, ("cooking spoon", "cooking spoons", "cookingspoon", "cookingspoons")),
    "spoon": ("volume", 15.0, ("spoon", "spoons", "spoonful", "spoonfuls", "kijiko", "vijiko")),
    # the can that condensed soup comes in, 10½ oz
    "soup can": ("volume", 300.0, ("soup can", "soup cans", "soup tin", "soup tins")),
    "ladle": ("volume", 120.0, ("ladle", "ladles", "ladleful", "ladlefuls")),
    "tsp": ("volume", 5.0, ("tsp", "tsps", "teaspoon", "teaspoons", "teaspoonful", "teaspoonfuls", "cucharadita", "cucharaditas", "colher de chá", "colheres de chá", "colher (chá)", "cucchiaino", "cucchiaini", "tspn", "tspns", "tsk", "tesked", "teskedar", "tl", "teelöffel", "theelepel", "theelepels", "tatlı kaşığı", "çay kaşığı", "sdt", "cuillère à café", "cuillères à café", "c. à café", "c. à c.", "cuil. à café", "łyżeczka", "łyżeczki", "sk", "sudu kecil", "sudu teh", "kutsarita", "cdta", "cdtas", "cdita")),
    # counted things: their size is stated beside them ("1 tin (400 g)") or not known
    "tin": ("count", None, ("tin", "tins", "can", "cans")),
    "pinch": ("count", None, ("pinch", "pinches", "dash", "dashes", "drop", "drops", "splash", "splashes", "glug", "glugs", "squeeze", "drizzle", "grating")),
    "handful": ("count", None, ("handful", "handfuls", "puño", "puños", "puñado", "puñados", "pugno", "poignée", "poignées", "fist", "fists", "fistful", "fistfuls", "bunch", "bunches", "sprig", "sprigs", "knob", "knobs", "piece", "pieces", "pc", "pcs", "inch", "inches", "thumb", "sheet", "sheets", "strip", "strips")),
    "clove": ("count", None, ("clove", "cloves", "stick", "sticks", "stalk", "stalks", "slice", "slices", "rib", "ribs", "leaf", "leaves", "head", "heads", "bulb", "bulbs", "pod", "pods", "siung", "lembar", "helai", "ulas", "batang", "btg", "biji", "fillet", "fillets", "rasher", "rashers", "ear", "ears")),
    "packet": (
        "count", None,
        ("packet", "packets", "pkt", "pkts", "pack", "packs", "pkg", "package", "packages", "sachet", "sachets", "jar", "jars", "bag", "bags", "carton", "cartons", "box", "boxes", "bottle", "bottles", "tub", "tubs", "pouch", "pouches", "envelope", "envelopes"),
    ),
    "cube": ("count", None, ("cube", "cubes")),
}  # fmt: skip
# what goes by the same name on either side of the sea
PINT_ML = {
    "pint": {"imperial": 568.0, "american": 473.0},
    "quart": {"imperial": 1136.0, "american": 946.0},
    "gallon": {"imperial": 4546.0, "american": 3785.0},
}
# minutes at pressure that a whistle counts for, until a household's cooker has told otherwise
WHISTLE_MIN = 2.5
# grams and millilitres of a tin nobody stated: a guess, always reported as one
USUAL_TIN = 400.0
# cups of one thing; more of "c" are cents, or degrees
MOST_CUPS = 30.0

_SPELLINGS = {s: unit for unit, (_, _, spellings) in _UNITS.items() for s in spellings}
# a capital T is a tablespoon and a small t a teaspoon, in all cooks' notes
_LETTERS = {"T": "tbsp", "t": "tsp", "Tb": "tbsp", "TB": "tbsp", "T's": "tbsp"}
UNIT_PATTERN = any_of([*_SPELLINGS, "T", "Tb"])

_GLYPHS = {
    "½": "1/2",
    "⅓": "1/3",
    "⅔": "2/3",
    "¼": "1/4",
    "¾": "3/4",
    "⅕": "1/5",
    "⅖": "2/5",
    "⅗": "3/5",
    "⅘": "4/5",
    "⅙": "1/6",
    "⅚": "5/6",
    "⅛": "1/8",
    "⅜": "3/8",
    "⅝": "5/8",
    "⅞": "7/8",
}
_SMALL = {
    w: float(n)
    for n, w in enumerate(
        [
            "one",
            "two",
            "three",
            "four",
            "five",
            "six",
            "seven",
            "eight",
            "nine",
            "ten",
            "eleven",
            "twelve",
            "thirteen",
            "fourteen",
            "fifteen",
            "sixteen",
            "seventeen",
            "eighteen",
            "nineteen",
        ],
        1,
    )
}
_TENS = {
    w: 10.0 * n for n, w in enumerate(["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"], 2)
}
_PARTS = {
    "half": 0.5,
    "a half": 0.5,
    "a quarter": 0.25,
    "quarter": 0.25,
    "three quarters": 0.75,
    "three-quarters": 0.75,
    "three-quarter": 0.75,
    "three quarter": 0.75,
    "a third": 1 / 3,
    "third": 1 / 3,
    "one-third": 1 / 3,
    "one third": 1 / 3,
    "one-half": 0.5,
    "one half": 0.5,
    "one-quarter": 0.25,
    "one quarter": 0.25,
    "two thirds": 2 / 3,
    "two-thirds": 2 / 3,
    "two-third": 2 / 3,
    "two third": 2 / 3,
}
NUMBER_WORDS: dict[str, float] = {
    **_SMALL, **_TENS, "a": 1, "an": 1, "half": 0.5, "aadha": 0.5, "aadhi": 0.5, "adha": 0.5, "yarım": 0.5, "half a": 0.5, "half an": 0.5, "a half": 0.5, "a half a": 0.5, "half of a": 0.5, "a quarter of a": 0.25,
    "a quarter of an": 0.25, "quarter of a": 0.25, "quarter of an": 0.25, "a quarter": 0.25, "quarter": 0.25, "three quarters of a": 0.75, "three quarters of an": 0.75,
    "three quarters": 0.75, "three-quarters of a": 0.75, "three-quarters of an": 0.75, "three-quarters": 0.75, "two-thirds of a": 2 / 3, "two-thirds": 2 / 3, "a third of a": 1 / 3, "two thirds of a": 2 / 3, "a third": 1 / 3, "two thirds": 2 / 3, "a dozen": 12, "dozen": 12,
    "a couple of": 2, "a couple": 2, "couple of": 2, "a few": 3, "few": 3, "a hundred": 100, "one hundred": 100, "hundred": 100,
}  # fmt: skip
GLYPHS = "".join(_GLYPHS)
_GLYPH = f"[{GLYPHS}]"
# digits are bounded on purpose: no recipe holds a number without end
_ONE = (
    rf"(?<![\d.,])(?:\d{{1,2}} (?:and|&|n) (?:an? )?(?:half|quarter|third|three quarters)\b|\d{{1,4}}(?:\s*(?:and|&|-)\s*|\s*){_GLYPH}|{_GLYPH}|\d{{1,3}}(?:\s+(?:and\s+|&\s*)?|\s?[-–]\s?|-)\d{{1,2}}\s?[/⁄]\s?\d{{1,2}}(?!\d)"
    rf"|\d{{1,3}}\s?[/⁄]\s?\d{{1,3}}(?!\d)|\d{{1,3}},\d{{3}}(?![\d,])|\d{{1,7}}(?:[.,]\d{{1,3}})?(?!\d))"
)
_BIG = any_of(_TENS)
_LOW = any_of(_SMALL)
_WORD = (
    rf"(?:{_BIG}[ -]{_LOW}|(?:(?:{_LOW}|a) )?hundred(?: and)?(?: {_BIG})?(?: {_LOW})?"
    rf"|(?:{_LOW}|a)(?: and (?:a |one[ -])?(?:half|quarter|third)\b| and (?:three[ -]quarters?|two[ -]thirds?)\b| (?:half|quarter)(?= (?:cup|mug|glass|hour|tea|table)))"
    rf"|{any_of(NUMBER_WORDS)})"
)
# what a number can begin with is looked at first: nearly every letter of a text begins none
_BEGINS = "".join(sorted({w[0] for w in NUMBER_WORDS}))
# "-2" is caught so that a negative amount is refused, not read as 2
NUMBER_PATTERN = rf"(?:(?=[-\d{GLYPHS}])(?:(?<![\w-])-)?{_ONE}|\b(?=[{_BEGINS}]){_WORD}\b)"
RANGE_PATTERN = rf"{NUMBER_PATTERN}(?:\s*(?:-|–|—|\bto\b|\bor\b)\s*(?:{_ONE}|(?:{_LOW}|{_BIG})\b))?"


@dataclass(frozen=True, slots=True)
class Amount:
    """A quantity as written: `value` (middle of a range), its `low`/`high`, canonical `unit` ("" = counted),
    and what it comes to in ml or g where the unit alone says so (else None)."""

    value: float
    low: float
    high: float
    unit: str
    ml: float | None
    g: float | None


def number(text: str) -> float:
    """The value of one written number: "1½", "1 and 1/2", "2-1/2", "0,5", "1,000", "half a", "two and a quarter", "twenty-five". ValueError
    if it is none."""
    t = re.sub(r"\s+", " ", text.strip().lower())
    if t in NUMBER_WORDS:
        return float(NUMBER_WORDS[t])
    if m := re.fullmatch(r"(\d{1,2}) (?:and|&|n) (?:an? )?(half|quarter|third|three quarters)", t):
        return float(m[1]) + _PARTS[m[2]]
    if t[:1].isalpha():
        return _spelt(t)
    sign = -1.0 if t.startswith("-") else 1.0
    t = t.lstrip("-").replace("⁄", "/")
    for glyph, plain in _GLYPHS.items():
        t = t.replace(glyph, f" {plain}")
    t = re.sub(r"\s*/\s*", "/", t)
    if re.fullmatch(r"\d{1,3},\d{3}", t):
        t = t.replace(",", "")
    total = 0.0
    for part in re.split(r"\s*(?:\band\b|&|[-–])\s*|\s+", t):
        if not part:
            continue
        try:
            total += float(Fraction(part)) if "/" in part else float(part.replace(",", "."))
        except ZeroDivisionError as fault:
            raise ValueError(text) from fault
    return sign * total


def _spelt(t: str) -> float:
    """ "twenty five", "one hundred and fifty", "two and a half"."""
    if " and " in t and (part := _PARTS.get(t.rsplit(" and ", 1)[1])):
        return number(t.rsplit(" and ", 1)[0]) + part
    if (m := re.fullmatch(r"(.+) (half|quarter)", t)) and m[1] in NUMBER_WORDS:
        return NUMBER_WORDS[m[1]] + _PARTS[m[2]]
    total = 0.0
    for word in re.split(r"[ -]", t.replace(" and ", " ")):
        if word == "hundred":
            total = max(total, 1.0) * 100
        elif word in _SMALL or word in _TENS or word == "a":
            total += NUMBER_WORDS[word]
        else:
            raise ValueError(t)
    return total


@lru_cache(maxsize=8192)
def number_range(text: str) -> tuple[float, float]:
    """(low, high) of "2 to 3", "2-3", "six or seven" or a single number (then both are the same)."""
    text = text.strip()
    if re.fullmatch(NUMBER_PATTERN, text, re.I):
        low = number(text)
        return low, low
    m = re.fullmatch(rf"({NUMBER_PATTERN})(?:\s*(?:-|–|—|to|or)\s*({_ONE}|(?:{_LOW}|{_BIG})))?", text, re.I)
    if not m:
        raise ValueError(text)
    low = number(m[1])
    high = number(m[2]) if m[2] else low
    return (low, high) if low <= high else (high, low)


def as_one(word: str) -> str:
    """A unit's word without its plural.

    >>> as_one("glasses"), as_one("glass"), as_one("tazas"), as_one("Pinches")
    ('glass', 'glass', 'taza', 'Pinch')
    """
    return re.sub(r"(?<=ss|ch|sh)es$|(?<!s)s$", "", word, flags=re.I)


def canonical_unit(word: str) -> str | None:
    """
    >>> canonical_unit("T"), canonical_unit("t."), canonical_unit("Cups")
    ('tbsp', 'tsp', 'cup')
    """
    said = word.strip().rstrip(".")
    return _LETTERS.get(said) or _SPELLINGS.get(" ".join(said.lower().split()))


def unit_kind(unit: str) -> str:
    """ "volume", "mass", "cup", "measure", "vessel" or "count"."""
    return _UNITS[unit][0] if unit in _UNITS else "count"


def unit_size(unit: str, measures: Measures) -> tuple[float | None, float | None]:
    """(ml, g) of one such unit; both None for a counted thing."""
    kind, factor, _ = _UNITS.get(unit, ("count", None, ()))
    if measures.pints and unit in PINT_ML:
        return PINT_ML[unit][measures.pints], None
    if kind == "volume":
        return factor, None
    if kind == "mass":
        return None, factor
    if kind == "cup":
        return measures.cup_ml, None
    if kind in ("measure", "vessel"):
        return measures.measure_ml, None
    return None, None


def make_amount(low: float, high: float, unit: str, measures: Measures) -> Amount:
    value = (low + high) / 2
    ml, g = unit_size(unit, measures)
    return Amount(value, low, high, unit, None if ml is None else value * ml, None if g is None else value * g)


def parse_amount(text: str, measures: Measures | None = None) -> Amount:
    """One amount as typed in a field or on the command line, in a volume or a mass.

    >>> parse_amount("1 1/2 cups", Measures(cup_ml=240)).ml
    360.0
    >>> parse_amount("200 g").g
    200.0
    """
    measures = measures or Measures()
    m = re.fullmatch(rf"\s*({RANGE_PATTERN})\s*([a-zA-Z. ]+?)?\s*", text)
    if not m:
        raise Refusal(
            "amount",
            "amount",
            f"“{text.strip()[:40]}” is not an amount; write a number and a unit, such as 240 ml, 200 g or 1 1/2 cups.",
        )
    try:
        low, high = number_range(m[1])
    except ValueError:
        raise Refusal("amount", "amount", f"“{m[1].strip()}” is not a number; write it as 2, 1/2 or 1.5.") from None
    unit = canonical_unit(m[2] or "")
    if unit is None or unit_kind(unit) == "count":
        said = (m[2] or "").strip()
        what = f"The unit “{said}” is not one I know" if said else "The amount has no unit"
        raise Refusal("unit", "amount", f"{what}; use ml, l, g, kg, oz, lb, cup, tbsp, tsp or measure.")
    amount = make_amount(low, high, unit, measures)
    size = amount.ml if amount.ml is not None else amount.g or 0.0
    if size <= 0:
        raise Refusal("amount", "amount", f"An amount of {text.strip()} cooks nothing; give one above zero.")
    if size > 20000:
        raise Refusal(
            "amount", "amount", f"{text.strip()} is more than any home pot holds; give at most 20 kg or 20 litres."
        )
    return amount


_DURATION = re.compile(
    r"(?P<n>\d+(?:[.,]\d+)?)\s*(?P<u>min(?:ute)?s?|m|h(?:ou)?rs?|h|d(?:ays?)?|months?|weeks?)?", re.I
)


def parse_minutes(text: str, field: str = "time") -> float:
    """Minutes of "30 min", "8 h", "1 h 30 min", "45" or "none".

    >>> parse_minutes("1 h 30 min")
    90.0
    """
    t = text.strip().lower()
    if t in ("none", "no", "0", ""):
        return 0.0
    if t == "overnight":
        return 600.0
    total, end = 0.0, 0
    for m in _DURATION.finditer(t):
        if t[end : m.start()].strip() not in ("", "and"):
            break
        u = (m["u"] or "min")[:2]
        total += float(m["n"].replace(",", ".")) * {
            "h": 60,
            "ho": 60,
            "hr": 60,
            "d": 1440,
            "da": 1440,
            "mo": 43200,
            "we": 10080,
        }.get(u, 1)
        end = m.end()
    if end == 0 or t[end:].strip():
        raise Refusal("duration", field, f"“{text.strip()[:40]}” is not a time; write it as 30 min, 8 h or none.")
    return total


def said_fraction(value: float, slack: float = 0.03) -> str | None:
    """The nearest kitchen fraction (quarters, thirds) within `slack` of the value, else None."""
    whole = int(value)
    best: tuple[float, str] | None = None
    for base in (whole, whole + 1):
        for part, glyph in ((0.0, ""), (0.25, "¼"), (1 / 3, "⅓"), (0.5, "½"), (2 / 3, "⅔"), (0.75, "¾")):
            near = base + part
            if near <= 0:
                continue
            off = abs(near - value) / max(value, 1e-9)
            if off <= slack and (best is None or off < best[0]):
                best = (off, (str(base) if base else "") + glyph)
    return best[1] if best else None


def jug_ml(ml: float) -> int:
    """Millilitres as they are said and poured: to 5 below half a litre, to 10 from there. The one rounding of jug, list and step.

    >>> jug_ml(383), jug_ml(617)
    (385, 620)
    """
    step = 5 if ml < 500 else 10
    return round_half_up(ml / step) * step


# a vessel is said in quarters where that is no more than this share off
QUARTERS_WITHIN = 0.06


def in_vessels(ml: float, vessel_ml: float, thirds: bool = False) -> float | None:
    """How many vessels that is, to the quarter; None where no quarter is near enough to pour by. thirds: measuring cups come in them too.

    >>> in_vessels(525, 240), in_vessels(90, 240), in_vessels(330, 240, thirds=True)
    (2.25, None, 1.3333333333333333)
    """
    many = ml / vessel_ml
    near = [round_half_up(many * parts) / parts for parts in ((4, 3) if thirds else (4,))]
    best = min(near, key=lambda n: abs(n - many))
    return best if best and abs(best - many) <= QUARTERS_WITHIN * many else None


def round_half_up(value: float) -> int:
    return int(value + 0.5) if value >= 0 else -int(-value + 0.5)


def largest_remainder(values: list[float], total: int) -> list[int]:
    """Integers near `values` that sum to `total` exactly. `values` should sum to within 1 of it."""
    floors = [int(v // 1) for v in values]
    short = total - sum(floors)
    order = sorted(range(len(values)), key=lambda i: values[i] - floors[i], reverse=True)
    step = 1 if short >= 0 else -1
    for k in range(abs(short)):
        i = order[k % len(order)] if step > 0 else order[-1 - k % len(order)]
        floors[i] += step
    return floors
