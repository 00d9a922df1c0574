"""Stretches of time in running text: "18 to 20 minutes", "10m", "a minute or two", "another 10", "half an hour", "4-5 min/side", "1 h 15".

What is no stretch is left out: a clock ("19:30", "9.42"), a time code, an age, "serves 4". Minutes are kept as low and high.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache

from ..anyof import any_of
from ..measures import GLYPHS, NUMBER_PATTERN, NUMBER_WORDS, RANGE_PATTERN, number_range
from ..quick import in_small_letters, lazy, quick

_N = RANGE_PATTERN
_MIN = r"(?:m[il]n(?:ut[a-z]*|uets?|tues?|s|tes)?|minutos?|minuti|minuto|perc(?:ig|en|et|re)?|nimidam|nim[iy]sha(?:m|lu|lalu)|phút|phut|minuut|men[iu]t|minit|dakika|dk|mts?|mnts?|mn|m)(?!\w|'\w)"
_HOUR = (
    r"(?:hours?|hrs?|óra|ghant[ae]|godzin\w*|saat|stunden?|std|uur|uren|heures?|horas?|or[ae]|tim(?:me|mar)|h)(?![\w'])"
)
_SEC = r"(?:seconds?|secs?|s)(?![\w'])"
_DAY = r"(?:days?|nights?)(?![\w'])"
_LEAD = r"(?:(?:about|abt|approx\.?|approximately|around|roughly|say|another|a further|a good|a full|just|at least|up to|~|ca?\.|bout|a(?!\s+(?:couple|few)\b))\s*)?"
_ISH = r"(?:\s*-?\s*(?:ish|odd|more|extra|further|full|whole|good|short|or so))?"
# parts of an hour in other tongues, with the article that goes when minutes stand for them
_PARTS_ABROAD = (
    r"(?:eine[rn]? |ein )?(?:gute[nr]? |knappe[nr]? )?(?:halbe[nr]? stunde|(?:drei)?viertelstunde)|(?:une? |en )?(?:petit |bon(?:ne)? )?(?:demi[- ]heure|quart d['’]heure)|trois[- ]quarts d['’]heure"
    r"|(?:una? )?(?:media hora|cuarto de hora)|tres cuartos de hora|(?:una |un )?(?:mezz['’ ]?ora|quarto d['’]ora)|tre quarti d['’]ora|(?:een |drie )?(?:half uur|halfuur|kwartier)"
    r"|(?:um )?(?:meia hora|quarto de hora)|(?:en )?(?:halvtimme|halvtime|kvart(?=\s*(?:[.,;)]|$))|kvarter)|(?:pół godziny|kwadrans)|(?:yarım saat|çeyrek saat)"
)
# numbers in other tongues, where minutes or hours follow them
_ABROAD = {
    1: "un una une uno um uma ein eine einen een en",
    2: "dos due deux zwei dois duas twee två dwie iki",
    3: "tres tre trois drei três drie trzy üç",
    4: "cuatro quattro quatre vier quatro fyra fire cztery dört",
    5: "cinco cinque cinq fünf vijf fem pięć beş",
    6: "seis sei sechs zes sześć altı",
    7: "siete sette sept sieben sete zeven sju syv siedem yedi",
    8: "ocho otto huit acht oito åtta otte osiem sekiz",
    9: "nueve nove neuf neun negen nio ni dziewięć dokuz",
    10: "diez dieci dix zehn dez tien tio ti dziesięć",
    12: "doce dodici douze zwölf doze twaalf tolv dwanaście",
    15: "quince quindici quinze fünfzehn vijftien femton femten piętnaście",
    16: "dieciséis sedici seize sechzehn",
    18: "dieciocho diciotto dix-huit achtzehn dezoito achttien arton",
    20: "veinte venti vingt zwanzig vinte twintig tjugo tyve dwadzieścia yirmi",
    25: "veinticinco venticinque vingt-cinq fünfundzwanzig vijfentwintig tjugofem",
    30: "treinta trenta trente dreißig dreissig trinta dertig trettio tredive trzydzieści otuz",
    35: "treintaicinco trentacinque trente-cinq fünfunddreißig",
    40: "cuarenta quaranta quarante vierzig quarenta veertig fyrtio czterdzieści kırk",
    45: "quarantacinque quarante-cinq fünfundvierzig",
    50: "cincuenta cinquanta cinquante fünfzig cinquenta vijftig femtio",
}
_WORTH_ABROAD = {word: float(n) for n, words in _ABROAD.items() for word in words.split()} | {
    "un par de": 2.0, "un paio di": 2.0, "un'": 1.0, "un’": 1.0, "treinta y cinco": 35.0, "cuarenta y cinco": 45.0, "trinta e cinco": 35.0,
    "quarenta e cinco": 45.0, "une dizaine de": 10.0, "une quinzaine de": 15.0, "une vingtaine de": 20.0, "une trentaine de": 30.0, "una decina di": 10.0,
    "una quindicina di": 15.0, "una ventina di": 20.0, "on beş": 15.0, "yirmi beş": 25.0,
}  # fmt: skip
# Turkish "on dakika" are ten; "put it on" is no number
_N_ABROAD = rf"(?:{any_of(_WORTH_ABROAD)}|on(?= dak))"
# what a stretch can begin with; no other place of a text is looked at any nearer
_HEAD = rf"(?:{any_of(NUMBER_WORDS)}|{_N_ABROAD}|about|abt|approx|around|roughly|say|another|good|full|just|at|up|ca?|bout|dakika|dk|over|all|the|night|nite|minute|hour|ein|halb|viertel|dreiviertel|gut|knapp|un|en\b|demi|quart|trois|media|cuarto|tres|mezz|tre|een|half|kwart|drie|um\b|meia|halv|kvart|pół|kwad|yarım|çeyrek|petit|bon)"
# for a text in small letters, in which it is far quicker
_TIME = lazy(
    # no stretch begins within a word: most places are passed over at once
    rf"(?<![^\W\d_])(?=[-~\d{GLYPHS}]|{_HEAD})(?P<lead>{_LEAD})(?:"
    rf"(?P<hh>{_N}){_ISH}\s*-?\s*{_HOUR}(?:(?<!hour)(?<!hours)\.)?(?:(?:\s*(?:and|,))?\s*(?P<hm>{NUMBER_PATTERN})\s*{_MIN}\.?|(?P<half>\s+(?:and a half|y media|e mezza|et demie|e meia))|(?P<quarter>\s+and a quarter)|(?P<three>\s+and three[- ]quarters)"
    r"|\s+(?:and\s+)?(?P<hb>[1-5][05])(?=\s*(?:[,.;)!]|$)|\s+(?:or|and|then|till|until|at|in|on|total|all|with|without|uncovered|covered|lid|low|stirring|turning|before|over|if|off)\b))?"
    # "dakika 15", as Swahili has it
    rf"|\b(?:dakika|dk\.?)\s+(?P<dk>\d{{1,3}}(?:\s*[-–]\s*\d{{1,3}})?)"
    rf"|(?P<old>five[- ]and[- ](?:twenty|thirty))\s+(?:{_MIN})"
    rf"|(?P<mm>{_N}){_ISH}\s*-?\s*(?:{_MIN})(?:(?P<ortwo>\s+or\s+(?:two|so|three))|\s+(?:and a half))?\.?"
    rf"|(?P<ss>{_N}){_ISH}\s*-?\s*(?:{_SEC})\.?"
    rf"|(?P<dd>{_N})\s*-?\s*{_DAY}"
    r"|(?P<frac>[¼½¾⅓⅔]|[123]/[234])\s*(?:of\s+)?an\s+hour\b"
    rf"|(?P<ah>an? hour)\s*(?:and|,)?\s*(?P<am>{NUMBER_PATTERN})\s*{_MIN}\.?"
    r"|(?P<words>(?:half|quarter|three[- ]quarters)(?:[- ]of)?[- ]an[- ]hour|a (?:half|quarter)[- ](?:of an )?hour|quarter[- ]hour|half[- ]hour|an hour and a half|over-?ni(?:ght|te)|over night|all ni(?:ght|te)|(?:the )?ni(?:ght|te) before)"
    rf"|(?P<abroad>{_PARTS_ABROAD})(?!\w)"
    rf"|(?P<far>{_N_ABROAD})(?:\s+(?:o|a|à|ou|oder|bis|till?|eller|of|tot|lub|do)\s+(?P<to>{_N_ABROAD}))?(?:(?<=['’])|[\s-]+)(?:(?P<hours>{_HOUR})|{_MIN})"
    r"|(?P<one>(?<=another )(?:minute|hour)|(?<=last )(?:minute|half hour|hour)|(?<=first )(?:hour|half hour)|(?<=final )(?:minute|half hour|hour))(?!\w)"
    rf"|(?P<prime>\d{{1,3}}(?:\s*[-–]\s*\d{{1,3}})?)\s?'(?![\w'])"
    r")"
)
# a text without one of these holds no stretch: most lines do not, and this is far quicker to see
_MAYBE = lazy(
    r"[dn]['’]or|\bore\b|mezz|kwartier|halv|kvart|godzin|kwadrans|m[il]n|perc|óra|nim|ph[uú]t|menit|menut|hour|hr|dakika|dk\b|ghant|saat|stund|\bstd|uur\b|uren|heure|hora|\d or[ae]\b|timm|\dh|\d\s?[hms]\b|\bh\b|sec|\bm[nt]s?\b|\dm|day|ni(?:ght|te)|\d'|another|last|first|final"
)
# "another 10", "off 10.", "low 18", "leave 10": minutes nobody called minutes
_BARE = quick(
    r"\b(?:another|a further|off(?: (?:the )?heat)?,?|low,?|leave(?: it)?(?: closed| covered| shut)?|rest(?: it)?|stand(?: it)?|sit|draw|settle|under (?:a |the )?(?:clean )?(?:cloth|tea[- ]?towel|towel),?|cov(?:er(?:ed)?)?\.?,?|simmer|bake|boil|cook|steam|soak(?=\s)|for|the last|last|final|peek,?|do(?:n'?t| not) (?:touch|open|lift)(?: it| the lid)?(?: for)?,?|then"
    r"|timer (?:to|for|on|at)|give it|give|manual(?: ?/ ?high)?|high(?: pressure)?,?|takes|taken|alone,?|np?r,?|release,?|lid (?:on|back|back on),?|dry,?|tender,?|soft,?|done,?|wait,?|lid,?|took|absorbed,?|on,|(?:small|low|slow)est,?|weak,?|warm,?|calmer|gentler|slower|softer|lower|softly|gently|it's|it is)\s+"
    rf"(?:(?:about|abt|around|maybe|another|a further|for|~)\s*)*(?P<n>{RANGE_PATTERN})"
    r"(?P<more> more| or so)?(?!\s*[.,]\d)(?=\s*(?:[.,;)!—–/]|\((?!\d|of\b)|\+ ?(?!\d)|$|then\b|and\b(?! (?:a )?(?:half|quarter|third|\d))|till\b|until\b|covered\b|with\b|w\b|on\b|more\b|before\b|if\b|lid\b|don'?t\b|do not\b|no \w|undisturbed\b|off (?:the )?heat\b|to (?:come|get|build)\b|(?:after|once|when) (?:it|the \w+) (?:pops|clicks|beeps|switches|turns|finishes)\b))"
    rf"|(?<![\w.,/])(?P<q>\d{{1,2}}|five|six|seven|eight|ten|twelve|fifteen|twenty)(?= np?r\b| off\s*(?:[.,;)]|$))"
    # spoken without a stop: "let it sit ten take the bay leaves out"
    rf"|\blet (?:it|them) (?:sit|rest|stand|steam) (?P<v>{RANGE_PATTERN})(?= (?:take|fluff|fork|stir|serve|open|then|before|green|and)\b)"
    # "basmati 2c soak30"
    r"|\bsoak(?P<x>\d{1,3})(?![\w%])"
    # "mine's usually there at 18", "taste at 16"
    r"|\b(?:there|done|ready|cooked|tast(?:e|ing)|check(?:ing)?|test(?:ing)?|try(?:ing)?|bit(?:e|ing)(?: one| a grain)?) (?:at|by|from) (?:about )?(?P<w>\d{1,2}(?:\s*[-–]\s*\d{1,2})?)(?=(?: onwards?| on)?\s*(?:[.,;)!]|$))"
    # "stir every couple min, 20-25, thick"
    r"|(?<=, )(?P<y>\d{1,2}\s*[-–]\s*\d{1,2})(?=,? (?:thick|till|until|tender|soft|done|creamy|stirring)\b)"
    # "8 min fierce, 8-10 low"
    rf"|(?:(?<=, )|(?<=then )|(?<=and ))(?P<r>{RANGE_PATTERN}) (?:(?:on|over|at) (?:the |a )?(?:very )?)?(?:low(?:est)?|high|medium|gentle|fierce|hard|smallest)(?: (?:heat|flame|fire|gas|ring))?(?=\s*(?:[.,;)!—]|$))"
    # "8 minutos a fuego fuerte y 10 a fuego suave"
    rf"|(?:(?<=, )|(?<=\by )|(?<=\be )|(?<=\bet )|(?<=\bund ))(?:otros |outros |altri |encore |noch(?:mals)? |weitere )?(?P<s>{RANGE_PATTERN}) (?:más |altri |weitere )?(?:a fuego|a fuoco|a fiamma|à feu|bei|auf|em fogo)\b"
    # "5 more", "about 15" and no word but a stop or a condition behind it
    rf"|(?<![\w.,/])(?P<m>{RANGE_PATTERN}) more(?=\s*(?:[.,;)!—]|$|if\b|till\b|until\b|with\b|then\b|covered\b|off (?:the )?(?:fire|heat|flame)\b|(?:don'?t|do not|never|no) \w|to (?:crisp|brown|finish|dry|colou?r)\b))"
    r"|(?:(?<=about )|(?<=abt )|(?<=around )|(?<=roughly )|(?<=maybe )|(?<=~))(?P<k>\d{1,3}(?:\s*(?:-|–|to)\s*\d{1,3})?|five|six|seven|eight|ten|twelve|fifteen|twenty|thirty|forty)(?!\s*[.,]\d)(?=\s*(?:[.,;)!—]|$|to (?:come|get|build)\b))"
    # "18 min, stalks going in after 10"
    r"|\b(?:in|add|added|join|joining|turn|turning) after (?:about )?(?P<z>\d{1,2})(?=\s*(?:[.;)!]|, |$))",
    re.M,
)
_NUMBER = lazy(rf"[\d{GLYPHS}]|\b{any_of(w for w in NUMBER_WORDS if w not in ('a', 'an'))}\b")
# "serves about 4.", "plenty for four": people, not minutes
_PEOPLE = quick(
    r"\b(?:serv\w*|makes?|feeds?|yields?|portions?|gas(?: mark)?|mark|step|oven|at|page)\s*(?:\w+\s+)?$"
    r"|\b(?:pcs|pieces|rolls|cakes|patties|parcels)\.?,? for\s+$|\b(?:enough|plenty|sufficient|does|was|is|meant|meal|dinner|lunch|supper|portions?|bowls?)\s+for\s+$",
    re.I,
)
_FOR_SO_MANY = lazy(r"(?:^|[.!?]\s+)for\s$", re.I)
# "For four, slice the tops from eight tomatoes"
_ENDS = lazy(
    r"\s*(?:[.!]|$|, (?:slice|chop|take|cut|heat|soften|put|wash|rinse|fry|boil|melt|you(?:'ll)? need|use|start|bring|soak|peel)\b)"
)
_PART_OF_ONE = frozenset("/½¼¾⅓⅔⅛")
_CLOCK = lazy(r"\d{1,2}:\d\d")
_AT_MINUTE = lazy(r"\b(?:at|from|after|by) (?:the )?minute (?P<n>\d{1,3})\b")
# from the evening to the morning
OVERNIGHT_MIN = 480.0


@dataclass(frozen=True, slots=True)
class Stretch:
    """Minutes, with their place in the text. bare: no word for minutes stood there. unit: min, h, s, d or word."""

    start: int
    end: int
    low: float
    high: float
    text: str
    unit: str = "min"
    bare: bool = False

    @property
    def typical(self) -> float:
        return (self.low + self.high) / 2


@lru_cache(maxsize=2048)
def stretches(text: str) -> tuple[Stretch, ...]:
    """Every stretch of time in the text, in order; no two overlap. Several stages ask it of the same text."""
    small = in_small_letters(text)
    numbered, timed = _NUMBER.search(small) is not None, _MAYBE.search(small) is not None
    found = [s for m in _TIME.finditer(small) if (s := _made(m, text)) is not None] if timed else []
    found = [_from_the_one_before(s, text) for s in _joined(found, text)]
    # "6 hours or overnight", "at least 1 hour (up to overnight)" are said of one soak
    found = [
        s
        for s in found
        if not (
            s.unit == "word"
            and re.search(r"\d\s*(?:hours?|hrs?|h)\.?(?:,?\s+or\s+|,?\s*\(?(?:or )?up to\s+)$", text[: s.start], re.I)
        )
    ]
    taken = [(s.start, s.end) for s in found]
    for m in _BARE.finditer(small) if numbered else ():
        a, b = next(m.span(k) for k in ("n", "m", "k", "q", "r", "s", "v", "w", "x", "y", "z") if m[k])
        if (
            any(x < b and a < y for x, y in taken)
            or _CLOCK.match(text, a)
            # "Soak 1/2 lb of beans"
            or text[b : b + 1] in _PART_OF_ONE
            or (not m["w"] and _PEOPLE.search(text[max(0, a - 30) : a]))
        ):
            continue
        if _FOR_SO_MANY.search(text, 0, a) and _ENDS.match(text, b):
            # "Turn out like a cake. For 4."
            continue
        if text[a:b].lower() in ("a", "an", "half", "one", "a half", "quarter"):
            continue
        try:
            low, high = number_range(text[a:b])
        except ValueError:
            continue
        if 1 <= low <= 180:
            found.append(Stretch(a, b, low, high, text[a:b], "min", True))
    for m in _AT_MINUTE.finditer(small) if numbered else ():
        a, b = m.span("n")
        if not any(x < b and a < y for x, y in taken):
            found.append(Stretch(a, b, float(m["n"]), float(m["n"]), m["n"], "minute"))
    return tuple(sorted(found, key=lambda s: s.start))


_TO = lazy(r"\.?\s*(?:to|-|–|—|or)\s*(?:about |even )?", re.I)


def _joined(found: list[Stretch], text: str) -> list[Stretch]:
    """ "45 minutes to 1 hour", "2 hours 30 minutes to 3 hours": one range in two units."""
    out: list[Stretch] = []
    for s in found:
        last = out[-1] if out else None
        if (
            last
            and s.unit != "word"
            and last.low == last.high < s.high
            and _TO.fullmatch(text, last.end, s.start)
            and "h" in (last.unit, s.unit)
        ):
            out[-1] = Stretch(last.start, s.end, last.low, s.high, text[last.start : s.end], "h")
        else:
            out.append(s)
    return out


# "for five six minutes", "ten, twelve minutes": said as spoken, from the one to the other
_SPOKEN_FIRST = lazy(
    rf"(?<![\w.,/-])(?:(?P<w>{any_of(w for w in NUMBER_WORDS if ' ' not in w and w not in ('a', 'an', 'half', 'quarter'))})|(?<=for )(?P<d>\d{{1,2}}))(?:,? |-)$",
    re.I,
)
# the next or the next but one; of ten and more by fives too
_SPOKEN_STEPS = (1.0, 2.0, 5.0)


def _from_the_one_before(s: Stretch, text: str) -> Stretch:
    if s.low != s.high or s.unit != "min" or s.bare or not 2 <= s.low <= 60:
        return s
    m = _SPOKEN_FIRST.search(text, max(0, s.start - 12), s.start)
    first = number_range(m["w"] or m["d"])[0] if m else s.low
    # "about" or "a good" between them begins another amount
    if m is None or s.low - first not in _SPOKEN_STEPS or not re.match(r"\w", text[s.start :]):
        return s
    if s.low - first == _SPOKEN_STEPS[-1] and s.low < 10 or not _NUMBER.match(text.lower(), s.start):
        return s
    return Stretch(m.start(), s.end, first, s.high, text[m.start() : s.end], s.unit)


# "in a second pot" is none of sixty
_ORDINAL = lazy(
    r"\s+(?!(?:and|or|to|then|till|until|over|on|in|at|more|each|before|after|with|while|if|so|per)\b)[a-z]", re.I
)
_HOT_FIRST = lazy(r"[2-4]\d[05]\s*[-–—]\s*(?=\d{1,2}(?!\d))")
# "three-quarters" holds the word quarter
_WORD_MIN = {"three": 45.0, "half": 30.0, "quarter": 15.0}
# the first that is held: "dreiviertelstunde" holds a quarter too
_PARTS_IN_MIN = (
    *((w, 45.0) for w in ("drei", "trois", "tres ", "tre ", "drie")),
    *((w, 30.0) for w in ("halb", "demi", "media", "mezz", "half", "meia", "halv", "pół", "yarım")),
    ("", 15.0),
)


def _made(m: re.Match[str], text: str) -> Stretch | None:
    """m: of the text in small letters."""
    start = m.start() + (
        len(m["lead"]) if m["lead"] and m["lead"].strip().lower() in ("a", "just", "say", "at least", "up to") else 0
    )
    if hot := _HOT_FIRST.match(m.string, start):
        # "350 - 1 hr": so hot, and so long
        start = hot.end()
        m = _TIME.match(m.string, start) or m
    # the stop of "10 min." belongs to the sentence
    finish = m.end() - (m[0].endswith("."))
    said = text[start:finish]
    if m["ss"] and m["ss"].lower() == "a" and _ORDINAL.match(m.string, finish):
        return None
    try:
        if m["frac"]:
            n = 60.0 * number_range(m["frac"])[0]
            return Stretch(start, finish, n, n, said, "h")
        if m["ah"]:
            n = 60.0 + number_range(m["am"])[0]
            return Stretch(start, finish, n, n, said, "h")
        if m["words"]:
            words = m["words"].lower()
            if "night" in words or "nite" in words:
                return Stretch(start, finish, OVERNIGHT_MIN, OVERNIGHT_MIN, said, "word")
            n = 90.0 if "and a half" in words else next(v for k, v in _WORD_MIN.items() if k in words)
            return Stretch(start, finish, n, n, said, "h")
        if m["abroad"]:
            n = next(v for k, v in _PARTS_IN_MIN if k in m["abroad"].lower())
            return Stretch(start, finish, n, n, said, "h")
        if m["far"]:
            each = 60.0 if m["hours"] else 1.0
            low = each * _WORTH_ABROAD.get(m["far"], 10.0)
            high = max(low, each * _WORTH_ABROAD.get(m["to"], 0.0))
            return Stretch(start, finish, low, high, said, "h" if m["hours"] else "min")
        if m["one"]:
            n = {"minute": 1.0, "hour": 60.0}.get(m["one"].lower(), 30.0)
            return Stretch(start, finish, n, n, said)
        if m["hh"]:
            low, high = number_range(m["hh"])
            extra = (number_range(m["hm"])[0] if m["hm"] else 0.0) + (
                30 if m["half"] else 15 if m["quarter"] else 45 if m["three"] else float(m["hb"] or 0)
            )
            return Stretch(start, finish, low * 60 + extra, high * 60 + extra, said, "h")
        if m["old"]:
            n = 25.0 if "twenty" in m["old"].lower() else 35.0
            return Stretch(start, finish, n, n, said)
        if m["mm"]:
            low, high = number_range(m["mm"])
            if m["ortwo"] and "two" in m["ortwo"]:
                high = max(high, low + 1)
            return Stretch(start, finish, low, high, said)
        if m["ss"]:
            low, high = number_range(m["ss"])
            # "5 s" is nothing, "1970s" neither
            if high > 600:
                return None
            return Stretch(start, finish, low / 60, high / 60, said, "s")
        if m["dd"]:
            low, high = number_range(m["dd"])
            return Stretch(start, finish, low * 1440, high * 1440, said, "d")
        low, high = number_range(m["prime"] or m["dk"])
        return Stretch(start, finish, low, high, said)
    except (ValueError, StopIteration):
        return None


__all__ = ["NUMBER_PATTERN", "OVERNIGHT_MIN", "Stretch", "stretches"]
