"""The amount grammar: number, size word, unit, the size in brackets, container, name and preparation, in any order.

A line may hold several things ("2 bell peppers and 3 ribs celery"); each becomes an item with its own place. Cases by hand:

    1 (14.5-oz) can diced tomatoes, undrained     1 tin of 411 g: 411 g; name "diced tomatoes"
    Rice (purana basmati) 3 glass = 750 gm        3 measures, also 750 g; name "Rice"
    2 x 400g tins of beans                        2 tins of 400 g: 800 g; name "beans"
    Long 6, kali mirch 10, dar cheeni 2 sticks    three items
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field, replace

from ..anyof import any_of
from ..measures import (
    GLYPHS,
    MOST_CUPS,
    NUMBER_PATTERN,
    RANGE_PATTERN,
    UNIT_PATTERN,
    Measures,
    as_one,
    canonical_unit,
    make_amount,
    number_range,
    unit_kind,
)
from ..quick import lazy, quick

_SIZE = any_of(
    [
        "heaped",
        "heaping",
        "heap",
        "level",
        "flat",
        "scant",
        "rounded",
        "generous",
        "good",
        "large",
        "small",
        "medium",
        "med",
        "med.",
        "big",
        "full",
        "packed",
        "standard",
        "regular",
        "extra",
        "US",
        "metric",
        "plastic",
        "same",
        "measuring",
    ]
)
_ROUGHLY = any_of(
    [
        "about",
        "abt",
        "abt.",
        "approx",
        "approx.",
        "approximately",
        "around",
        "roughly",
        "say",
        "nearly",
        "almost",
        "a_generous",
        "a_scant",
        "a_heaping",
        "a_heaped",
        "a_good",
        "~",
        "c.",
        "circa",
        "scant",
        "generous",
        "heaping",
        "heaped",
    ],
    {"_": " "},
)
_ROUGH = rf"(?:(?<![^\W\d_])(?:{_ROUGHLY}|ca\b\.?)|~)"
AMOUNT = lazy(
    # behind a letter only a number of digits begins
    rf"(?:(?<![^\W\d_])|(?=[~\d{GLYPHS}]))(?:{_ROUGH}\s*)?(?P<n>{RANGE_PATTERN})(?:\s*(?:-|/\s(?=\w)|of the same\s|of that same\s)?\s*(?:{_SIZE}\s+){{0,2}}(?P<u>{UNIT_PATTERN})(?![\w'])\.?)?",
    re.I,
)
_TIMES = lazy(rf"(?P<n>{NUMBER_PATTERN})\s*x\s*(?P<each>{NUMBER_PATTERN})\s*-?\s*(?P<u>{UNIT_PATTERN})(?![\w])", re.I)
# not of what is "rinsed x3"
_TIMES_AFTER = lazy(r"(?<!rinsed )(?<!washed )(?<!rinse )(?<!wash )\bx\s?(?P<n>\d{1,3})\b", re.I)
_BRACKET = lazy(r"\(([^()]{0,160})\)|\[([^\[\]]{0,160})\]")
_STARTS = lazy(
    rf"(?:{_ROUGH}\s*)?(?:{RANGE_PATTERN})(?:\s*-?\s*(?:{_SIZE}\s+){{0,2}}(?:{UNIT_PATTERN})(?![\w])|\s+[^\W\d])", re.I
)
_ALONE = lazy(
    rf"(?:{_ROUGH}\s*)?{RANGE_PATTERN}\s*(?:(?:{_SIZE}\s+){{0,2}}(?:cups?|c|tbsps?|tablespoons?|T|pints?|pts?|quarts?|qts?|gallons?|gals?|litres?|liters?|l|kg|lbs?|pounds?|g|gm|grams?|ml|dl|cl|oz|ounces?|tsps?|teaspoons?))\.?\s*"
)
PREPARED = lazy(
    r"^\s*(?:(?:very |finely |roughly |thinly |thickly |coarsely |freshly |well |lightly |if |or |and |then |cut|peeled|chopped|sliced|diced|minced|grated|crushed|drained|rinsed|washed|soaked|beaten|melted|softened|"
    r"divided|optional|to taste|to serve|for |plus |at room|undrained|uncooked|cooked|packed|halved|quartered|shredded|trimmed|deveined|boneless|skinless|separated|warm|hot|cold|more |with |without |in |about |such |like |deseeded|seeded|cubed|"
    r"juiced|zested|toasted|torn|mashed|slit|ground|whole|fresh|dried|raw|boiled|picked|pounded|bruised|knotted|tied|split|not |no |any|preferably|as |the |all (?=\w+ed\b|sliced\b|cut\b)|each |both (?=\w+ed\b))\w*"
    # "1 lemon, zest and juice"
    r"|(?:finely |grated )*(?:juice|zest|rind|peel)\b(?:\s*(?:and|&|\+|,)\s*(?:finely |grated )*(?:juice|zest|rind|pulp))?\s*(?:[,;(]|$|only\b|of (?:it|half)\b)"
    r"|(?:browned|crumbled|pitted|cored|thawed|defrosted|scrubbed|roasted|blanched|smashed|squeezed|strained)\s*(?:[,;]|$))",
    re.I,
)
_CLOVES = lazy(rf"(?:{RANGE_PATTERN})\s+cloves\s*(?:[,;]|$)", re.I)
_DESCRIBES = quick(
    r"(?:(?:boneless|skinless|bone-in|skin-on|fresh|frozen|dried|ripe|large|small|medium|peeled|cooked|raw|lean|low[- ]fat|full[- ]fat|unsalted|salted|hot|cold|warm|firm|extra|organic|free-range|thick|thin|long|short|whole|ground)\s*)+",
    re.I,
)
_CONTAINERS = ("tin", "packet")
_ABBREVIATED = quick(
    r"(?:^|[\s\d])(?:ozs?|lbs?|pkgs?|pkts?|tsps?|tb?sps?|tbs?|c|pts?|qts?|gal|doz|kgs?|grm?s?|g|ml|cl|dl|fl|no|med|lg|sm|approx|abt|env|ctn|btl|worc|tom|veg|evap|cond|chop|parm|mush|marg|pdr?|shred)$",
    re.I,
)
_UP = lazy(
    r"\b(?:made|make|making|topped|top|topping|filled|fill|brought|bring)(?: it| them)? up(?: with (?:[^\W\d]+ ){0,3}[^\W\d]+)?\s*$",
    re.I,
)
_HALF = lazy(r"(?:a |one |1 )?(?:half|quarter)\b", re.I)
_ENDS_AMOUNT = lazy(rf"(?:^|\s)(?:{RANGE_PATTERN})\s*(?:{UNIT_PATTERN})?$", re.I)
_AMOUNT_ALONE = lazy(rf"{AMOUNT.pattern}\s*(?:\([^()]*\))?[\s.)]*", re.I)


@dataclass(slots=True)
class Item:
    """One thing with its amount. Places are of the text given; ml, g: of the whole item, None where the words do not say."""

    start: int
    end: int
    text: str
    low: float | None = None
    high: float | None = None
    unit: str = ""
    unit_word: str = ""
    ml: float | None = None
    g: float | None = None
    name: str = ""
    name_span: tuple[int, int] | None = None
    amount_span: tuple[int, int] | None = None
    vessel: bool = False
    rest: str = ""
    brackets: list[str] = field(default_factory=list)

    @property
    def value(self) -> float | None:
        return None if self.low is None or self.high is None else (self.low + self.high) / 2


# letters of a line in which things are looked for, and of one thing; no list in a line is longer
MOST_SPLIT, MOST_ITEM, NEAR = 2000, 400, 120


def items(text: str, measures: Measures, many: bool = False) -> list[Item]:
    """The things of one ingredient line, at least one. many: the line is known to hold several."""
    if "|" in text and (m := _CELLS.match(text)):
        # "200 | g | brown rice | rinsed": number, unit and name in cells of their own are said in one breath
        found = items(m[0].replace("|", " ") + text[m.end() :], measures, many)
        for i in found:
            i.text = text[i.start : i.end]
        return found
    if saved := _SAVED.fullmatch(text[:MOST_ITEM].rstrip()):
        # "Parboiled rice,3.5,kg": a table saved with commas
        a, b = saved.end("name"), saved.start("unit") - 1
        found = items(f"{text[:a]}|{text[a + 1 : b]}|{text[b + 1 :]}", measures, many)
        for i in found:
            i.text = text[i.start : i.end]
        return found
    if row := _ROW.fullmatch(text[:MOST_ITEM].rstrip()):
        # "Parboiled rice | 3.5 | kg", and the same in columns: what parts the cells parts no things
        said = list(text[: row.end()])
        for name in ("a", "b", "c", "d", "e"):
            said[row.start(name) : row.end(name)] = " " * len(row[name] or "")
        whole = parse("".join(said), 0, row.end(), measures)
        whole.text = text[whole.start : whole.end]
        return [whole]
    return [
        parse(text, a, min(b, a + MOST_ITEM), measures)
        for a, b in _with_their_handfuls(text, _split(text[:MOST_SPLIT], many))
    ]


_ONLY_SO_MUCH = quick(
    r"[\s,;•·]*(?:an? )?(?:good |big |small |large |generous )?(?:handfuls?|pinch(?:es)?|few|little|knob|splash|drizzle|sprig|bunch)[\s.,;•·]*",
    re.I,
)


def _with_their_handfuls(text: str, places: list[tuple[int, int]]) -> list[tuple[int, int]]:
    """ "sweetcorn, a handful, peas, a handful": so much is of what stands before it."""
    out: list[tuple[int, int]] = []
    for a, b in places:
        before = text[out[-1][0] : out[-1][1]] if out else ""
        if out and _ONLY_SO_MUCH.fullmatch(text[a:b]) and not re.search(r"\d", before):
            out[-1] = (out[-1][0], b)
            continue
        out.append((a, b))
    return out


# "rinsed x3, soaked 20', drained   1.25 kg" is one thing
_DONE_TO_IT = quick(r"(?:rinsed?|soak(?:ed)?|drain(?:ed)?|wash(?:ed)?|peeled|chopped|sliced)\b", re.I)
_CELLS = lazy(
    rf"\s*(?:about |abt |~)?{RANGE_PATTERN}\s*\|(?:\s*\||\s*(?:{UNIT_PATTERN})\.?(?:\s*\([^()|]*\))?\s*\|)?(?=[^|]*[^\W\d_]{{2,}}[^|]*(?:\||$))",
    re.I,
)
# between two cells: a bar, a tab, two blanks
_CELL = r"(?:\s*\|\s*|\t[^\S\n]*| [^\S\n]+)"
_COUNTED_IN = rf"(?:{UNIT_PATTERN}|each|ea|nos?|pcs?|whole)\.?"
_ROW = lazy(
    rf"(?P<name>(?=[^|\t]*[^\W\d]{{2}})[^|\t\n\d]*?[^|\s\d])(?P<a>{_CELL}){RANGE_PATTERN}(?P<b>{_CELL}){_COUNTED_IN}(?:(?P<c>{_CELL}|,(?=\S)).*)?"
    rf"|{RANGE_PATTERN}(?P<d>{_CELL}){_COUNTED_IN}(?P<e>{_CELL})(?=[^|\s])[^|\t\n\d]*?[^\W\d]{{2}}[^|\t\n\d]*",
    re.I,
)
_SAVED = lazy(
    rf"(?P<name>(?=[^|\t\n\d,]*[^\W\d]{{2}})[^|\t\n\d]+?),\d+(?:[./]\d+)?,(?P<unit>{_COUNTED_IN})(?:,.*)?", re.I
)
_ONE_OF_TWO = lazy(
    r"(?:\d+|an?|one|two)\s+(?:red|green|yellow|orange|white|black|brown|small|large|big|medium|sweet|hot)", re.I
)
_TWO_OF_A_KIND = lazy(rf"(?:{_ONE_OF_TWO.pattern})\s+(?:and|&|\+)\s+(?:\d+|an?|one|two)\s+(?P<name>[^,;(]+)", re.I)
_SO_OLD = lazy(r"(?:at least |about |preferably )?(?:an?|one|two|[12])[- ](?:days?|weeks?)[- ]old\b", re.I)
_OF_A_SIZE = lazy(
    r"(?:in |cut (?:in(?:to)?|to) )?(?:[^\W\d]+ )?(?:pieces?|chunks?|cubes?|dice|slices?|sticks?|strips?) (?:of )?(?:about )?[\d½¼¾][^,;]{0,8}(?:cms?|mm|inch(?:es)?|\")"
    # "¼-inch dice", "half juiced, half in wedges"
    r"|[\d½¼¾⅓][\d/ .–-]*-? ?(?:cms?|mm|inch(?:es)?|in\.?|\")[- ]?(?:thick )?(?:pieces?|chunks?|cubes?|diced?|slices?|sticks?|strips?|rounds?|lengths?|matchsticks?|batons?|coins?|rings?|wedges?)\b"
    r"|(?:half|some|the rest) (?:(?:finely|thinly|roughly|well) )?[a-z]+ed\b",
    re.I,
)
# so much of the same again, for another end
_MORE_FOR = lazy(
    rf"(?:another |an extra |about )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.? (?:more |extra )?(?:(?:for|to) (?!serv)|(?:in|into|with) (?:the|its)\b)",
    re.I,
)
_FOR_A_SORT = lazy(
    rf"{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.? (?:if|for|with|when)\b(?: [^\W\d]+){{0,3}}? (?:old|new|aged|brown|white|wild|red|black|par-?boiled|basmati|jasmine|whole[- ]?grain)(?:er)? rice\b",
    re.I,
)
_TO_FINISH = lazy(
    r"(?:to|for) (?:finish|serve|serving|garnish|taste|top|topping|decorate|the top|frying|the table)\b\s*(?:[,;.)]|$)",
    re.I,
)
_TIN_FILLED = lazy(
    r"(?:then |and |plus )?(?:(?:re)?fill(?:ed)?\b[^,;.]{0,20}\b(?:tin|can)\b[^,;.]{0,30}\b(?:water|stock)\b|(?:the|that) (?:same |empty )?(?:tin|can)(?:,? (?:re)?filled)\b[^,;.]{0,30}\b(?:water|stock)\b)",
    re.I,
)


_WITH_ITS_WATER = lazy(
    rf"\s*(?P<a>(?:[^:\d\n]{{2,30}}:\s*){{0,2}}{NUMBER_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s+[^\W\d]{{3,}}(?: [^\W\d]{{3,}}){{0,3}}(?<!\bwith)(?<!\bplus)(?<!\band)(?<!\bper)(?<!\binto))"
    rf"\s+(?P<b>{NUMBER_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s+(?:(?:hot|cold|boiling|warm) )?(?:water|stock|broth|milk))[\s.]*",
    re.I,
)
# blanks between two columns
WIDE = 5
_NAMES_ALONE = lazy(r"[^\W\d]+(?:(?: and| &|,)? [^\W\d]+){0,2}\.?\s*")


def _split(text: str, many: bool) -> list[tuple[int, int]]:
    """Places of the items in a line."""
    if many and (run := _run_together(text)):
        return run
    if two := _WITH_ITS_WATER.fullmatch(text):
        # "250g basmati 400ml water", with nothing between them
        return [two.span("a"), two.span("b")]
    deep, cuts, last = 0, [], 0
    inside = [False] * (len(text) + 1)
    for i, c in enumerate(text):
        deep += c in "(["
        inside[i] = deep > 0
        deep -= c in ")]" and deep > 0
    dashes, bars, slashes = _listed_by_dashes(text), _listed_by_bars(text), _listed_by_slashes(text)
    ends = len(text.rstrip())
    for m in re.finditer(
        r"\s*[·•▪◦●]\s*|\s+(?:👉|➡️?|✅)\s*|\s+(?:—|--|/)\s+|(?<!\s)[^\S\n]{3,}|\s+(?:\+|&|and|plus)\s+|\s*[,;|]\s*(?:and\s+|&\s*)?|\.\s+(?=[A-Z\d])|(?<=[^\W\d]{4})\.\s+(?=[a-z])"
        rf"|(?<=[^\W\d]|\))\s+to\s+(?={RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\s)",
        text,
    ):
        if inside[m.start()] or m.end() >= ends or (not m[0].strip() and text[m.end()] in "(["):
            # nothing parts within a bracket, at the end, or before what a bracket tells of the thing
            continue
        # what stands near tells whether it parts two things; a list without end is not looked through anew at every comma
        before, after = text[max(last, m.start() - NEAR) : m.start()], text[m.end() : m.end() + NEAR]
        glue = m[0].strip()
        if glue in ("and", "&", "plus") and _HALF.match(after) and _ENDS_AMOUNT.search(before):
            # "1 and a half cups"
            continue
        if glue == "." and _ABBREVIATED.search(before) and _AMOUNT_ALONE.fullmatch(before.strip()):
            # "6 ozs. Patna rice"
            continue
        if glue == "." and not after[:1].isupper() and (not many or _ABBREVIATED.search(before)):
            # "1 pkg. 10 oz.", where "beef 1 kg, tiny pieces. 3 cups rice" is two things
            continue
        if glue == "to" and _UP.search(before):
            # "chickpeas and their water, made up to 2 mugs with boiling water": one thing
            continue
        if glue == "to":
            # "1 cup rice to 8 cups water", where "1 cup to 2 cups" is one amount
            if any(x["u"] and before[x.end() :].strip() for x in AMOUNT.finditer(before)):
                cuts.append((last, m.start()))
                last = m.end()
            continue
        if glue and (glue in "·•▪◦●👉➡️✅" or (glue in ("—", "--") and dashes)):
            # a sign that only stands between things
            cuts.append((last, m.start()))
            last = m.end()
            continue
        if glue == "/" and slashes:
            cuts.append((last, m.start()))
            last = m.end()
            continue
        if glue in ("—", "--", "/"):
            continue
        if glue == "|" and bars:
            cuts.append((last, m.start()))
            last = m.end()
            continue
        if glue == "|" and not (
            _STARTS.match(after)
            and not _AMOUNT_ALONE.fullmatch(before.strip())
            and not _AMOUNT_ALONE.fullmatch(re.split(r"[|]", after)[0].strip())
            and any(x["u"] or x["n"][:1].isdigit() for x in AMOUNT.finditer(before))
        ):
            # cells of a table: name, amount, preparation are one item, where "¾ cup rice | 1½ cups water" is two
            continue
        if _TIN_FILLED.match(after):
            # "1 can coconut milk, plus fill the can halfway with water"
            cuts.append((last, m.start()))
            last = m.end()
            continue
        if _CLOVES.match(after) and AMOUNT.search(before):
            # "1 cinnamon stick, 2 cloves": a spice, and no amount of the one before
            cuts.append((last, m.start()))
            last = m.end()
            continue
        if _AMOUNT_ALONE.fullmatch(re.split(r"[,;](?!\d)", after)[0]):
            # "coconut milk powder, 50 g", "scented rice, 1½ chittacks (3 oz.)": an amount alone belongs to the name before it
            continue
        if glue in (",", ";", "/") and _FOR_A_SORT.match(after):
            # "2 cups water, 2½ cups for brown rice"
            continue
        if glue in ("+", "&", "and", "plus") and _MORE_FOR.match(after):
            # "Water 2.5 cups + ¼ cup for the syrup"
            continue
        if glue in ("+", "&", "and", "plus") and _ALONE.fullmatch(before) and _STARTS.match(after):
            # "2 cups plus 2 tablespoons cold water" is one amount
            continue
        led = bool(_STARTS.match(after)) and not re.match(
            r"\d+\s*(?:%|mm|cm)|(?:half|some) (?:in|on|for|into|over)\b", after
        )
        has = any(x["u"] or x["n"][:1].isdigit() for x in AMOUNT.finditer(before))
        if re.search(r"[\d½¼¾⅓⅔]\s*$", before) and re.match(r"[\d½¼¾⅓⅔]", after) and glue in (",", "&", "and"):
            continue
        if (
            glue in ("and", "&", "+")
            and _ONE_OF_TWO.fullmatch(before.strip())
            and re.match(r"(?:\d+|an?|one|two)\b", after)
        ):
            # "1 red and 1 yellow pepper"
            continue
        if _TO_FINISH.match(after):
            # "1 tsp dried mint, to finish"
            continue
        if _OF_A_SIZE.match(after) or _SO_OLD.match(after):
            # "lamb 1 kg, pieces of 4 cm", "250 g cooked rice, a day old"
            continue
        ends_amount = bool(
            re.search(rf"{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?\s*(?:\([^()]*\)\s*)?$", before, re.I)
        ) and bool(re.match(r"\s*[^\W\d]", before))
        next_named = re.match(rf"[^\W\d][^,;\d(]{{1,40}}?\s*[-–:=.]*\s*{RANGE_PATTERN}", after)
        if led and has and not re.match(r"(?:a|an|one)\s+(?:pinch|little|bit|few)\b", after, re.I):
            ok = glue != "" or len(m[0]) >= 3
        elif ends_amount and next_named and glue in (",", ";", "+") and not _DONE_TO_IT.match(after):
            ok = True
        elif many and glue in (",", ";", "+", "&", "and", ".", "") and not PREPARED.match(after):
            ok = (
                glue in (",", ";", ".")
                or (glue == "" and len(m[0]) >= 3)
                or (glue == "+")
                or (not has and len(before.split()) <= 4)
            )
        else:
            # "1 sm. onion           salt", of two columns
            ok = (
                glue == ""
                and len(m[0]) >= WIDE
                and has
                and bool(_NAMES_ALONE.fullmatch(after))
                and not PREPARED.match(after)
            )
        if ok:
            cuts.append((last, m.start()))
            last = m.end()
    cuts.append((last, len(text)))
    out = []
    for a, b in cuts:
        while a < b and text[a] in " ,;.|&+-–":
            a += 1
        while b > a and text[b - 1] in " ,;|&+":
            b -= 1
        if b > a:
            out.append((a, b))
    return out or [(0, len(text))]


def _run_together(text: str) -> list[tuple[int, int]]:
    """ "1/2 c. rice 1 qt. milk 1/2 c. syrup": things with nothing between them but their amounts; no place where commas or the like do it."""
    if re.search(r"[,;|•·()–—]|\s[-+&]\s|\.\s+[A-Z]", text):
        return []
    measured = [m for m in AMOUNT.finditer(text) if m["u"]]
    if len(measured) < LEAST_RUN or text[: measured[0].start()].strip():
        return []
    starts = [m.start() for m in measured]
    named = [text[m.end() : b].strip(" .") for m, b in zip(measured, [*starts[1:], len(text)], strict=True)]
    if not all(re.match(r"[^\W\d]{3}", n) for n in named):
        return []
    return [(a, a + len(text[a:b].rstrip())) for a, b in zip(starts, [*starts[1:], len(text)], strict=True)]


LEAST_RUN = 3


def _listed_by_dashes(text: str) -> bool:
    """ "rice 2 cups — peas 1 cup — salt": dashes between things, where "Water — 2 cups" has one between a name and its amount."""
    parts = re.split(r"\s+(?:—|--)\s+", text)
    return len(parts) > 2 and sum(bool(re.search(r"\d|[½¼¾⅓⅔]", p) and re.search(r"[^\W\d]{3}", p)) for p in parts) >= 2


def _listed_by_bars(text: str) -> bool:
    """ "basmati 3 cups | ghee 1/3 cup | salt": bars between things, where a table's row has the amount in one cell and the name in another."""
    parts = text.split("|")
    return len(parts) > 2 and len(_with_a_name(parts)) >= 2


def _listed_by_slashes(text: str) -> bool:
    """ "400 g bomba / 1.2 l stock / 600 g chicken": things, where "150 g / 5¼ oz / scant 1 cup wild rice" is one, said thrice."""
    parts = re.split(r"\s+/\s+", text)
    return (
        len(parts) > 2
        and len(_with_a_name(parts)) >= 2
        and all(re.search(r"[^\W\d_]{3}", AMOUNT.sub(" ", p)) for p in parts)
    )


def _with_a_name(parts: list[str]) -> list[str]:
    """The parts that hold both an amount and a name."""
    return [p for p in parts if (m := AMOUNT.search(p)) and re.search(r"[^\W\d_]{3}", p[: m.start()] + p[m.end() :])]


@dataclass(frozen=True, slots=True)
class _Said:
    start: int
    end: int
    low: float
    high: float
    unit: str
    unit_word: str
    bracket: bool
    unit_start: int
    n_end: int
    # "2 cups plus 2 Tbsp": the end of the second part
    last: int = 0


# half milk and half cream, and no number
_HALF_AND_HALF = quick(r"\bhalf(?:-and-|-n-| and | & | ?n' ?)half\b", re.I)


def _amounts(text: str) -> list[_Said]:
    inside = [(m.start(), m.end()) for m in _BRACKET.finditer(text)]
    first = list(_UNIT_FIRST.finditer(text))
    cream = [m.span() for m in _HALF_AND_HALF.finditer(text)]
    out = []
    for m in AMOUNT.finditer(text):
        if any(a <= m.start("n") < b for a, b in cream):
            continue
        try:
            low, high = number_range(m["n"])
        except ValueError:
            continue
        more = AND_A_HALF.match(text, m.end())
        if more:
            # "a cup and a half", "1 and a half cups"
            part = 0.25 if more["q"] or (more["p"] or "").lower() == "quarter" else 0.5
            word = m["u"] or more["u"] or ""
            if canonical_unit(word) and not (m["u"] and more["u"]):
                at = m.start("u") if m["u"] else more.start("u")
                bracket = any(a <= m.start() < b for a, b in inside)
                out.append(
                    _Said(
                        m.start(),
                        more.end(),
                        low + part,
                        high + part,
                        canonical_unit(word) or "",
                        word,
                        bracket,
                        at,
                        m.end("n"),
                        more.end(),
                    )
                )
                continue
        word = m["u"] or ""
        if word in ("c", "C") and low > MOST_CUPS:
            # "a 50c piece", "oven 200C"
            continue
        if not word and not (m["n"][:1].isdigit() or not m["n"].isascii()) and m["n"].lower() in ("a", "an"):
            continue
        if not word and _AT_THE_LINE.search(text, max(0, m.start() - 12), m.start()):
            continue
        if (not word and _MARKED.match(text, m.end())) or (word and _LINE.match(text, m.end())):
            # "water to the 3 line", "to the 2 go line": of the cooker's own bowl, not of the water
            continue
        if _A_LENGTH.match(text, m.end()):
            continue
        bracket = any(a <= m.start() < b for a, b in inside)
        turned = next((t for t in first if t.start("n") == m.start("n")), None) if not word else None
        if turned:
            word = turned["u"]
            out.append(
                _Said(
                    turned.start(),
                    turned.end(),
                    low,
                    high,
                    canonical_unit(word) or "",
                    word,
                    bracket,
                    turned.start("u"),
                    m.end("n"),
                    turned.end(),
                )
            )
            continue
        out.append(
            _Said(
                m.start(),
                m.end(),
                low,
                high,
                canonical_unit(word) or "",
                word,
                bracket,
                m.start("u") if word else m.end(),
                m.end("n"),
            )
        )
    return out


_A_LENGTH = lazy(r"\s*(?:%|cm|mm|°|-?inch(?:es)?\s*(?:pieces?|cubes?|coins?|chunks?|lengths?)|\"|”)")
# "gr. 400", "ml 250" at the end of a name: the unit first, as Italians write it
_UNIT_FIRST = lazy(
    r"(?<=\s)(?P<u>gr|g|kg|ml|cl|dl|lt|l|kilo|lita|glasi|vikombe|kikombe|vijiko|kijiko)(?:\.\s*|\s+)(?P<n>\d{1,4}(?:[.,]\d{1,2}|\s?[½¼¾⅓⅔]| \d/\d)?|[½¼¾⅓⅔])(?=\s*(?:[,;()]|$))",
    re.I,
)
# "To top: white pepper": what it is for, before the first of its things
_LABEL = lazy(
    r"\s*(?:(?:for|to) (?:the )?[^\W\d][^:;,\d]{1,24}|garnish|toppings?|dressing|marinade|spices|seasonings?|on top|on the side|tops?|at the table|topped with):\s+(?=\S)",
    re.I,
)
_JUICE_OF = lazy(
    r"(?:the )?(?:(?:(?:finely )?grated|pared|strained|crushed) )?(?:juice|zest|rind|peel|seeds|leaves|pulp)(?: (?:and|&) (?:juice|zest))? of|juice",
    re.I,
)
# "air sampai garis 2", "agua hasta la línea 3"
_AT_THE_LINE = lazy(r"\b(?:garis|tanda|línea|linea|marca|nivel|ligne|trait|linie|strich)\s+$", re.I)
_MARKED = lazy(r"[\s-]*(?:cups? )?(?:line|mark|level)\b", re.I)
_LINE = lazy(r"[\s-]*(?:line|mark)\b", re.I)
_PLUS = lazy(r"\s*(?:\+|&|plus|and)\s*(?:another |an extra )?", re.I)
HALF_ABROAD = r"(?:y|e|et) (?:medi[oa]|mezz[oa]|mei[oa]|demie?)|und (?:ein )?halbe[rnsm]?"
QUARTER_ABROAD = r"(?:y|e|et) (?:un )?(?:cuarto|quarto|quart)"
AND_A_HALF = lazy(
    # of other tongues only behind the unit: "1 litro y medio de leche"
    rf"\s+(?:and (?:a |one |1 )?(?P<p>half|quarter)(?:\s+(?P<u>{UNIT_PATTERN})(?![\w'])|(?=\s*(?:of\b|[,.;:)]|$)))"
    rf"|(?:(?P<q>{QUARTER_ABROAD})|{HALF_ABROAD})(?!\w))",
    re.I,
)
_FILLED = lazy(
    rf"\bfill(?:ed)?\b[^()]{{0,30}}?\b(?P<x>\d|twice|two|three)(?:\s?x\b|\s+times\b|(?<=twice))[^()]{{0,20}}\((?:it'?s|it is|holds|=|about|abt|~|\s)*(?P<n>{NUMBER_PATTERN})\s*(?P<u>ml|cc|g|oz|cups?)\b",
    re.I,
)
# no cup holds less
LEAST_CUP_ML = 90.0
_VESSEL_IS = lazy(
    rf"(?P<n>{NUMBER_PATTERN})\s+(?P<u>[^\W\d_]{{2,}}?)(?:e?s)?\b[^()]*\(\s*(?:1\s+|one\s+|an?\s+|the\s+)?(?P=u)\s*(?:=|is|holds)\s*(?:[^()\d]*?[\s,])??(?:about |abt |~)?(?P<size>{NUMBER_PATTERN})\s*(?:a\s+)?(?P<of>ml|cc|gms?|grams?|g|dl|lit(?:re|er)s?|l|oz)\b",
    re.I,
)
_SIZE_OF_EACH = quick(
    rf"(?P<n>{NUMBER_PATTERN})\s+(?:[^\W\d_]+\s+)?(?P<u>cups?|mugs?|glass(?:es)?|bowls?|scoops?)\s*\(\s*(?:=|about|abt|~)?\s*(?P<ml>\d{{2,3}})\s*(?:ml|cc)(?: each)?\s*\)",
    re.I,
)
_NOTHING_MORE = lazy(r"\s*(?:[,;.)]|$)")
_UP_TO = lazy(r"\s*(?:to|-|–|or)\s*", re.I)
# "1 lb 3 oz": the smaller unit right after the larger
_STEPPED = {("lb", "oz"), ("kg", "g"), ("l", "ml"), ("l", "dl"), ("pint", "fl oz"), ("seer", "chittack")}
_POURED = ("volume", "cup", "measure", "vessel")


# an amount that is taken back
_NO = quick(
    r"[\s,.;…–—-]*(?:no|sorry|rather|i mean|make (?:it|that)|correction|wait|oops|scrap that)(?:[\s,.…–—-]+(?:no|sorry|wait|rather|make (?:it|that)))*[\s,.:…–—-]*",
    re.I,
)


def _together(body: str, said: list[_Said], measures: Measures) -> list[_Said]:
    """ "2 cups plus 2 tablespoons" is one amount, in the unit of its first part."""
    out: list[_Said] = []
    for s in said:
        before = out[-1] if out else None
        if (
            before
            and before.unit
            and before.unit == s.unit
            and not s.bracket
            and before.low == before.high < s.low
            and _UP_TO.fullmatch(body, before.end, s.start)
        ):
            # "1 cup to 2 cups"
            last = s.unit_start + len(s.unit_word)
            out[-1] = replace(before, high=s.high, end=s.end, last=last)
            continue
        if (
            before
            and before.unit
            and before.unit == s.unit
            and not s.bracket
            and _NO.fullmatch(body, before.end, s.start)
        ):
            # "3 c no 2 1/4 c": the second is meant, and both go with it
            last = s.unit_start + len(s.unit_word)
            out[-1] = replace(before, low=s.low, high=s.high, unit_word=s.unit_word, end=s.end, last=last)
            continue
        joined = _PLUS.fullmatch(body, before.end, s.start) if before else None
        if joined and _MORE_FOR.match(body, s.start):
            joined = None
        if (
            before
            and before.unit
            and not s.unit
            and not s.bracket
            and joined
            and s.high < 1
            and _NOTHING_MORE.match(body, s.end)
        ):
            # "2 cups + 1/2": half a cup
            out[-1] = replace(before, low=before.low + s.low, high=before.high + s.high, end=s.end, last=s.end)
            continue
        if before and (before.unit, s.unit) in _STEPPED and not before.bracket:
            joined = joined or re.compile(r"[\s.,]*").fullmatch(body, before.end, s.start)
        if before and before.unit and s.unit and not s.bracket and joined:
            one, two = (make_amount(1, 1, x.unit, measures) for x in (before, s))
            size = two.ml / one.ml if one.ml and two.ml else two.g / one.g if one.g and two.g else 0.0
            if 0 < size <= 1 and unit_kind(before.unit) in (*_POURED, "mass"):
                last = s.unit_start + len(s.unit_word)
                out[-1] = replace(
                    before, low=before.low + s.low * size, high=before.high + s.high * size, end=s.end, last=last
                )
                continue
        out.append(s)
    return out


def parse(text: str, start: int, end: int, measures: Measures) -> Item:
    """The one item that stands in text[start:end]."""
    body = text[start:end]
    item = Item(start, end, body)
    said = _together(body, _amounts(body), measures)
    times = _TIMES.search(body)
    measured = [
        s
        for s in said
        if unit_kind(s.unit) in ("volume", "mass", "cup", "measure", "vessel") and s.unit and not _beside_it(body, s)
    ]
    outside = [s for s in said if not s.bracket]
    main = next((s for s in outside if s.unit), None) or (outside[0] if outside else None)
    first = outside[0] if outside else None
    # "1 14.5-oz can", "2 (400 g) tins": the count stands first, the container last
    if (
        first is not None
        and main is not None
        and first is not main
        and not first.unit
        and first.end <= main.start <= first.end + 2
    ):
        main = first
    if main is None and said:
        main = next((s for s in said if not _beside_it(body, s)), None)
    if times is not None:
        try:
            count, each = number_range(times["n"])[0], number_range(times["each"])[0]
            one = make_amount(each, each, canonical_unit(times["u"]) or "", measures)
            item.low = item.high = count
            item.unit, item.unit_word = "tin", times["u"]
            item.ml, item.g = (None if one.ml is None else one.ml * count), (None if one.g is None else one.g * count)
            item.amount_span = (start + times.start(), start + times.end())
            main = None
        except ValueError:
            times = None
    if main is not None:
        item.low, item.high, item.unit, item.unit_word = main.low, main.high, main.unit, main.unit_word
        item.amount_span = (
            start + main.start,
            start + (main.last or (main.end if not main.unit_word else main.unit_start + len(main.unit_word))),
        )
        item.vessel = unit_kind(main.unit) == "vessel"
        amount = make_amount(main.low, main.high, main.unit, measures)
        item.ml, item.g = amount.ml, amount.g
        if not main.unit and (filled := _FILLED.search(body)):
            # "fill the white cup 2x (it's 160 ml)"
            one = make_amount(*number_range(filled["n"]), canonical_unit(filled["u"]) or "", measures)
            times_full = {"twice": 2.0, "two": 2.0, "three": 3.0}.get(filled["x"].lower()) or float(filled["x"])
            item.low = item.high = times_full
            item.ml = None if one.ml is None else one.ml * times_full
        # the container after its size: "1 (15-oz) can", "1 400g tin"
        container = unit_kind(main.unit) == "count" and main.unit in _CONTAINERS
        if not main.unit:
            after = re.match(
                r"\s*-?(?:\([^)]*\)|\[[^\]]*\]|[\d.,]+\s*-?\s*\w+\.?)?[\s-]*(tins?|cans?|packets?|pkts?|packs?|pkgs?\.?|packages?|jars?|bags?|cartons?|box(?:es)?|sachets?|bottles?|tubs?|pouch(?:es)?)\b",
                body[main.end :],
                re.I,
            )
            if after:
                container, item.unit, item.unit_word = True, canonical_unit(after[1]) or "tin", after[1]
        whole = (item.low + item.high) / 2
        for s in measured:
            if s is main:
                continue
            near = make_amount(s.low, s.high, s.unit, measures)
            per = (
                whole
                if (
                    container
                    and whole
                    and (s.bracket or s.start <= main.end + 2 or "each" in body.lower() or item.unit == "tin")
                )
                else 1.0
            )
            if container and not s.bracket and not item.unit:
                per = 1.0
            if item.unit and not container and unit_kind(item.unit) == "count":
                per = whole if re.search(r"\beach\b", body, re.I) else 1.0
            if s.bracket and whole and unit_kind(main.unit) in ("cup", "measure", "vessel"):
                # what the bracket says of this amount, not of the next: "(about 3.2 kg? 1 derica is 900 g)"
                bracket = next(m for m in _BRACKET.finditer(body) if m.start() <= s.start < m.end())
                bracketed = next(
                    m[0] for m in _SAYING.finditer(body, bracket.start(), bracket.end()) if s.start < m.end()
                )
                # "1½ glass (200 ml glass)": it speaks of one
                word = re.escape(as_one(main.unit_word))
                of_one = re.search(
                    rf"\b(?:{word}(?!s\b)|each)|\(\s*(?:1|one|an?) [^\W\d]+\s*(?:=|is|holds)", bracketed, re.I
                )
                if s.unit == main.unit:
                    # "5 pots (scant 5 pots)" says it again, "3 cups cooked (1 cup raw)" another thing
                    continue
                per = whole if of_one or _of_one(near.ml, near.g, whole, unit_kind(main.unit)) else 1.0
                if near.ml:
                    item.ml = near.ml * per
            item.ml = item.ml if item.ml is not None else near.ml and near.ml * per
            item.g = item.g if item.g is not None else near.g and near.g * per
        if (m := _TIMES_AFTER.search(body)) and item.unit and whole:
            n = float(m["n"])
            item.ml, item.g = (None if item.ml is None else item.ml * n), (None if item.g is None else item.g * n)
    if (told_each := _VESSEL_IS.search(body)) is not None:
        # "2 pots of rice (pot = the small one, quarter litre)", "2 pot (1 pot = 250 gm)"
        one = make_amount(*number_range(told_each["size"]), canonical_unit(told_each["of"]) or "", measures)
        n = number_range(told_each["n"])[0]
        item.low = item.high = n
        item.ml, item.g = (None if x is None else n * x for x in (one.ml, one.g))
    if (cups := _SIZE_OF_EACH.search(body)) and (sized := _sized(cups)) is not None:
        # "rice 4 polopaz cups (160 ml)": no cup is a quarter of that
        item.low, item.high, item.unit, item.unit_word = sized[0], sized[0], "cup", cups["u"]
        item.ml, item.amount_span = sized[1], (start + cups.start("n"), start + cups.end())
    _name(item, body, start, said, times)
    if (
        _OF_WINE.search(item.name)
        and item.unit_word.lower() in ("glass", "glasses")
        and not item.brackets
        and item.value
    ):
        # "a glass of white wine" is no glass of water
        item.unit, item.ml = "wine glass", WINE_GLASS_ML * item.value
    if pair := _TWO_OF_A_KIND.match(body):
        # "1 red and 1 yellow pepper": called by the second
        item.name, item.name_span = pair["name"].strip(), (start + pair.start("name"), start + pair.end("name"))
    return item


_SAYING = lazy(r"(?:[^,;?!]|(?<=\d),(?=\d))*(?:[,;?!]\s*|$)")
# "(makes about 3 cups cooked)", "(I use 1 cube in 2 cups water)", "(from 900 g fresh)": not how much of it is meant here
_ASIDE = quick(
    r"\b(?:makes?|yields?|gives?|becomes?|cooked|once cooked|when cooked|dissolved|mixed|diluted|made (?:with|from|up)|in \d|from|weight|each serving|per|plus|(?<!more or )less|minus|fresh weight|left ?over|add|if|unless|more(?! or less)|extra(?![- ](?:large|virgin)))\b"
    # "2 cups water (+ 2 tbsp)"
    r"|[(\[]\s*\+",
    re.I,
)


# "(or water + 2 tsp bouillon)", "(or milk and 1 tsp lemon juice)", "(water with 2 cubes)": of what is poured instead
_OTHER_THING = lazy(
    r"[(\[]\W*(?:or\s+[^\W\d][^\d]*(?:\+|&|\b(?:and|with|plus|for each))|[^\W\d][^\d]{2,}(?:\+|&|\bwith))\s*", re.I
)


def _sized(m: re.Match[str]) -> tuple[float, float] | None:
    """(how many, ml in all) where a bracket can only tell what each of them holds."""
    many, ml = number_range(m["n"])[0], float(m["ml"])
    return (many, many * ml) if many >= 2 and ml / many < LEAST_CUP_ML else None


def _beside_it(body: str, s: _Said) -> bool:
    """Does an amount in a bracket speak of something else than the thing before it?"""
    if not s.bracket:
        return False
    bracket = next((m for m in _BRACKET.finditer(body) if m.start() <= s.start < m.end()), None)
    if bracket is None:
        return False
    return bool(_ASIDE.search(bracket[0]) or _OTHER_THING.fullmatch(body, bracket.start(), s.start))


# millilitres that a cup, and a vessel of the house's own, may hold
_HOLDS = {"cup": (170.0, 300.0), "measure": (90.0, 420.0), "vessel": (90.0, 420.0)}
_OF_WINE = lazy(r"\b(?:wine|sherry|vermouth|port|prosecco|vino|vin)\b(?! vinegar)", re.I)
WINE_GLASS_ML = 125.0
# g/ml of what is measured dry
_DRY = 0.8


def _of_one(ml: float | None, g: float | None, many: float, kind: str) -> bool:
    """ "1½ cups (300 g)", "4 cups (1 l)" say the whole once more; "2 cups (250 ml)", "3 katori (150 g)" say what one holds: only where the whole cannot be meant.

    What weighs so little that it might be feathers ("2 cups (60 g) spinach") is the whole all the same: a measuring cup's grams are never of one.
    """
    low, high = _HOLDS[kind]
    if ml is not None:
        return not low <= ml / many <= high and low <= ml <= high
    if g is None or kind == "cup":
        return False
    return g / many / _DRY < low <= g / _DRY <= high


_NAME_ENDS = lazy(
    r"\s[-–—=:]+\s|(?<=\w)\s(?:if|in case|unless) (?=\w)|[-–—=:]\s*$|(?<=\S)(?<!large)(?<!small)(?<!medium)(?<!whole)[^\S\n]{3,}|\.{2,}"
)
_NAME_BEGINS = lazy(
    r"[\s\-–—.:=*•~/]*(?:(?:of|the|a|an|x|each|EACH|or so|tins?|cans?|packets?|pkts?|packs?|pkgs?\.?|packages?|jars?|cartons?|bags?|box(?:es)?|bottles?|tubs?|pouch(?:es)?|heaped|heaping|level|large|small|medium|big|de(?: l[ao]s?)?|di|du|des|dell[aoe]|degli|dei)\b\.?[\s]+|(?:d|dell|de l)['’](?=\w))*",
)
_TWO_LETTERS = lazy(r"[^\W\d_]{2}")


def _name(item: Item, body: str, start: int, said: list[_Said], times: re.Match[str] | None) -> None:
    """What is left of the item when amounts and brackets are taken out: the first piece that has words in it."""
    hidden = bytearray(len(body))

    def hide(a: int, b: int) -> None:
        hidden[a:b] = b"\x01" * (b - a)

    for m in _BRACKET.finditer(body):
        hide(m.start(), m.end())
        item.brackets.append(m[1] or m[2] or "")
    if label := _LABEL.match(body):
        hide(0, label.end())
    counted = item.unit and unit_kind(item.unit) == "count" and item.unit not in _CONTAINERS
    for s in said:
        if not s.bracket:
            hide(s.start, s.end)
    if times:
        hide(times.start(), times.end())
    pieces = []
    visible = "".join("\x00" if h else c for h, c in zip(hidden, body, strict=True))
    for m in re.finditer(r"[^\x00,;|]+", visible):
        raw = m[0]
        raw = _NAME_ENDS.split(raw, maxsplit=1)[0]
        lead = _NAME_BEGINS.match(raw)
        a = lead.end() if lead else 0
        text = raw[a:].rstrip(" .-–—:=*•~/'\"")
        if _TWO_LETTERS.search(text):
            pieces.append((m.start() + a, text))
    if not pieces and counted:
        # "2 cloves": the counted thing is the ingredient itself
        word = next((s for s in said if s.unit == item.unit), None)
        if word:
            item.name, item.name_span = (
                word.unit_word,
                (start + word.unit_start, start + word.unit_start + len(word.unit_word)),
            )
            item.unit, item.unit_word = "", ""
            if item.amount_span:
                item.amount_span = (item.amount_span[0], start + word.n_end)
        return
    if pieces:
        # "boneless, skinless chicken thighs": a word that only describes is no name while others follow
        first = next((k for k, (_, t) in enumerate(pieces) if not _DESCRIBES.fullmatch(t)), 0)
        a, text = pieces.pop(first)
        if pieces and _JUICE_OF.fullmatch(text) and not PREPARED.match(pieces[0][1]):
            # "juice of 1 lemon"
            a, text = pieces.pop(0)
        pieces.insert(0, (a, text))
        item.name, item.name_span = " ".join(text.split()), (start + a, start + a + len(text))
        item.rest = ", ".join(t for _, t in pieces[1:])
