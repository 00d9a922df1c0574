"""Steps cut into clauses, each with its verb, what it speaks of and which vessel it happens in; the pots' state carried along.

A case by hand: "Soften the onion in a wide pan, 8 minutes. Bring the stock to the boil in a saucepan, add the rice, cover and simmer 15 minutes."
    clause 1  fry, vegetables, vessel 1 (pan)             the grain is not in it, and never comes: 8 is another pot's
    clause 2  boil, liquid, vessel 2 (saucepan), new
    clause 3  add, grain, vessel 2                         vessel 2 is the grain's
    clause 4  cover · 5  cook, vessel 2: grain in, wet      15 is heat
"""

from __future__ import annotations

import re
import tomllib
from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cache
from importlib import resources
from typing import Any

from ..anyof import any_of
from ..measures import NUMBER_PATTERN
from ..process import data as _data
from ..quick import lazy, quick
from ..text.sentences import sentences
from .names import OTHER_GRAINS, browned
from .pot_words import FOODS

_CUT = lazy(
    r"(?:(?<!\d),|,(?!\d))\s*(?:and\s+|then\s+|but\s+)?|:\s+|(?:(?<!\d)\s+(?:–|—|-)\s+|\s+(?:–|—|-)\s+(?!\d)|\s+;\s+)|(?<!now and)\s+then\s+|(?<!\bnow)(?<!\bagain)(?<!\bover)(?<!\bon)(?<!\bback)\s+and\s+(?=[a-z]+\b)|\s*\(|\)"
    # "add everything else & bring to a boil", not "water & salt"
    r"|\s+(?:&|n)\s+(?=(?:bring|boil|cook|simmer|cover|stir|fry|saut|bake|let|leave|turn|reduce|lower|add|pour|fluff|serve|mix|toss|put|close|switch)[a-zé]*\b)"
    # "agrega la leche y cocina 10 minutos", "coprite e lasciate riposare"
    r"|\s+(?:y|e|et)\s+(?=(?:agreg|añad|ech[ae]|cocin|coc[eé]|cuec|cuez|dej[ae]|tap[ae]|hierv|rem[uo][eé]|revuelv|sirv|apart|retir|apag|baj[ae]|aggiung|lasci|cuoc|copri|mescol|servi|spegn|laiss|ajout|couvr|remu|cui|deixe|cozinh|junt|mex[ae]|tamp|deslig|escurr|escorr|scol[ai]|égoutt)[a-zé]*\b)"
    # "12 minuten en giet af", "och häll av vattnet", "und abgießen"
    r"|\s+(?:en|och|og|und|i)\s+(?=(?:giet|laat|häll|slå|hæld|låt|abgie|abseih|odced|zostaw)\w*\b)"
)
_WORD = lazy(r"[^\W\d_]+(?:['-][^\W\d_]+)*")
VESSEL_WORDS = (
    "saucepan", "pan", "pot", "skillet", "wok", "casserole", "dish", "tin", "bowl", "tray", "jug", "cooker", "kadai", "kadhai", "karahi", "handi", "degchi", "oven", "sheet", "tray", "basket", "steamer",
    "griddle", "tawa", "jar", "colander", "sieve", "kettle", "dutch oven", "pressure cooker", "rice cooker", "instant pot", "slow cooker", "crock", "crockpot", "frying pan", "sauté pan", "stockpot", "patila", "sufuria", "blender", "plate", "platter", "cloth", "vessel",
)  # fmt: skip
_V = any_of(VESSEL_WORDS)
_NEW_VESSEL = quick(
    rf"\b(?:in|into|to|using|use|on|with|over|grease|butter|take|get|heat|oil)\s+(?P<a>a|an|another|a separate|a second|a different|the other|your|one|2|two)\s+(?P<adj>(?:[a-z\d.,/-]+\s+){{0,5}}?)(?P<v>{_V})s?\b",
    re.I,
)
_WEIGHED = lazy(r"\b(?:weigh|cover|top|press|close|seal|wrap)\w*\b[^.;]{0,24}\b(?:with|using|in)\s+$", re.I)
# a cloth under the lid holds nothing either; one that grain is wrapped in does
_LIES_OVER = lazy(r"(?:on|with|over|using)\b", re.I)
_THE_VESSEL = lazy(rf"\b(?:the|same|that|this)\s+(?:[a-z-]+\s+){{0,2}}?(?P<v>{_V})s?\b", re.I)
_IT = lazy(r"\b(?:it|them)\b", re.I)
_OTHER_TIME = lazy(
    r"\b(?:meanwhile|while (?:that|the rice|it|this|they)|in the meantime|at the same time|beside|separately|on the side)\b",
    re.I,
)
_PRONOUN = quick(r"\b(?:it|them|they|everything|this|all|the mixture|the lot|the pan|the pot)\b", re.I)
_OFF = quick(
    r"\b(?:elzár\w*|apaga(?:r|s|mos)?|tắt bếp|van het vuur|vuur uit|(?:av |från )+(?:värmen|varmen|plattan)|fra varmen|af varmen|z ognia|wyłącz\w*|tutup api|padamkan(?: api)?|patayin ang (?:apoy|kalan)|epua\w*|(?:gas|aanch|flame) band|off (?:the )?(?:heat|stove|burner|flame|fire|jiko|gas|hob|element|boil)|from (?:the )?(?:heat|fire|stove|oven)|(?:heat|fire|flame|stove|gas|burner)\s+(?:is\s+)?off|off heat|(?:turn|switch|shut|put|take)(?:ed|s)? (?:it |the \w+ |them )?off"
    r"|(?:kill|close|shut|cut) (?:the )?(?:heat|flame|gas|fire|burner|stove)|(?:put|draw|push|pull|move|set) (?:it |the \w+ )?to the (?:side|back) of the (?:stove|range|hob|fire|cooker)|out of (?:the )?(?:oven|fire|heat)|choolha band|lift (?:it |the \w+ )?off|slide (?:it |the \w+ )?off|pull (?:it |the \w+ )?off|away from the heat|wrap(?:ped)? (?:it |the \w+ |up )?(?:well )?in (?:an? |the |your )?(?:\w+ )?(?:sleeping bag|blankets?|duvet|quilt|towels|newspapers?|coat)|hay ?-?box|into (?:an? |the )?(?:[\w-]+ )?(?:thermos|vacuum flask|wonder ?bag|(?:cooker |pot )?co[sz]y)|when (?:it|the cooker) (?:clicks|switches)|switches to (?:warm|keep[- ]warm)|press cancel|button (?:jumps?|pops?|clicks?))\b",
    re.I,
)
_OFF_SHOUT = lazy(r"(?:^|[\s,;])OFF\b|(?:^|[,;]\s*)off\s*,?\s*(?=\d)|^\W*[Oo]ff\W*(?:and|then)?\W*$")
_ON_AGAIN = quick(
    r"\b(?:back (?:on|over|to) (?:the )?(?:heat|boil|stove|simmer)|return (?:it |the pan |the pot )?to (?:the |a )?(?:heat|boil|simmer)|heat (?:the )?(?:oil|butter)|bake|into the oven|in the oven|turn (?:the )?heat (?:back )?(?:on|up))\b",
    re.I,
)

# the look a shift puts in, as it writes it: no operation of the recipe's, and none of its minutes
OWN_LOOK = lazy(
    r"(?:When the pressure is down and the lid is open, look|Look): [^.\n]*\.(?: Not yet\? [^.\n]*\.| Then drain\.)?"
)

THINGS = {
    "grain": rf"(?:gạo|cơm|chamal|rijst|ryż\w*|bigas|kanin|wali|arisi|biyyam|annam|riso|pirinç\w*|pirinc\w*|rice|nasi|grain\w*|grits|arroz|chawal|riz|beras|paddy|sadam|basmati|jasmine|arborio|bomba|chal|bhat|mchele|reis|ris|{OTHER_GRAINS})",
    "liquid": r"(?:nước|bulionu?|vatten|mjölk|buljong|vann|melk|kookvocht|wod[aęy]|mlek[ao]|bulion\w*|pani|doodh|maji|maziwa|tubig|sabaw|neer|thanni|agua|água|acqua|eau|lait|leche|leite|latte|wasser|brühe|milch|suyu|sıcak su\w*|water|stock|broth|milk|liquid|juice|cream|yakhni|soup|dashi|wine|santan|bouillon|caldo|brodo)",
    "tomato": r"(?:tomates?|jitomates?|pomodor\w+|tomaten|tomato\w*|passata|toms|tamatar|kamatis|nyanya)",
    "pulse": FOODS["pulse"],
    "veg": FOODS["veg"],
    "meat": FOODS["meat"],
    "sauce": r"(?:sauce|dressing|gravy|syrup|raita|chutney|salsa|marinade|topping|relish|stew|curry|tadka|kachumbari)",
    "fat": r"(?:boter|olie|smör|smør|olja|masło|oliw\w+|mafuta|siagi|mantika|tel|aceite|manteca|mantequilla|olio|burro|huile|beurre|öl|óleo|azeite|tereyağı\w*|minyak|oil|butter|ghee|fat|margarine|oleo|lard|dripping)",
    "spice": r"(?:spice\w*|cumin|jeera|mustard|cinnamon|cardamom|masala|turmeric|seeds?|curry leaves|bay)",
}  # fmt: skip
_THING = {
    k: quick(rf"(?<![\w-])(?:{v})(?![\w-])(?!\s+(?:vinegar|wine|cooker|noodles|paper|flour))", re.I)
    for k, v in THINGS.items()
}


@dataclass(slots=True)
class PotState:
    """What has happened in one vessel so far."""

    grain: bool = False
    wet: bool = False
    hot: bool = False
    boiled: bool = False
    covered: bool = False
    off: bool = False
    cooked: bool = False
    drained: bool = False

    def copy(self) -> PotState:
        return PotState(self.grain, self.wet, self.hot, self.boiled, self.covered, self.off, self.cooked, self.drained)


@dataclass(slots=True)
class Clause:
    """start, end: in the block's text. verb: its kind of operation, "" if none. things: what it speaks of. vessel: its number; new: named here
    for the first time. before: the vessel's state when the clause begins. carried: the thing its pronoun stands for. aside: meanwhile. lines: of the list,
    those it names (`placing.named`)."""

    block: int
    start: int
    end: int
    text: str
    sentence: int
    verb: str = ""
    verbs: tuple[str, ...] = ()
    things: tuple[str, ...] = ()
    vessel: int = 0
    noun: str = ""
    new: bool = False
    aside: bool = False
    carried: str = ""
    off: bool = False
    before: PotState = field(default_factory=PotState)
    grains: bool = False
    lines: tuple[int, ...] = ()


@cache
def verbs() -> dict[str, dict[str, Any]]:
    return tomllib.loads(resources.files(_data).joinpath("operations.toml").read_text(encoding="utf-8"))


@cache
def _verb_pattern() -> tuple[re.Pattern[str], dict[str, str]]:
    of = {w: kind for kind, row in verbs().items() for w in row["words"]}
    body = any_of(of)
    return re.compile(rf"(?<![\w-])(?P<w>{body})(?P<end>[a-z]*)", re.I), of


# "bay leaves" leave nothing standing, nor do the leaves that one fills; and "the rest of the butter" does not rest
_LEAVES_IT = lazy(r"\s+(?:it|them|the (?:rice|pot|grain))\b", re.I)
_LEFT_SO = lazy(
    r"\s+(?:it|them|some|a few|the [^\W\d]+|this)\s+(?:coarse|chunky|whole|plain|unsalted|out|off|as (?:it is|they are|is)|thick|thin|loose|runny|lumpy|unpeeled|raw|dry|to taste)\b(?! (?:of the heat|the heat|to|and cover))",
    re.I,
)
# "stand the peppers up in a dish": put there, and not left
_STOOD = lazy(
    r"\s+(?:them|it|the (?:\w+ ){1,2}?|each)\s*(?:up(?:right)? )?(?:in|on|into|up)\b(?! (?:the )?(?:fridge|room|its|their))(?![^.;]{0,40}\b(?:for|\d+ ?min))",
    re.I,
)
# "till it stands 1.5 cm above": how high the water comes
_SO_HIGH = lazy(
    r"s?\s+(?:about |around |roughly |some |only |just )?(?:\d+(?:[.,]\d+)?|[½¼¾]|an?|one|two|half an?)\s?-?(?:cms?|mms?|centimet\w+|inch(?:es)?|fingers?|knuckles?)\b",
    re.I,
)
# "don't strain off the water", "without boiling": what is told not to be done is not done
_NOT_DONE = quick(
    r"\b(?:do(?:n't|nt| not)|never|not to|without|avoid|no need to|rather than|instead of)\s+(?:ever |even |yet |you )?$",
    re.I,
)
_DONE_TO_IT = quick(r"\b(?:add|adding|put|stir in|tip in|fold in|with|the|your|this|all)(?: the| your| in)?\s+$", re.I)
_THING_AFTER = lazy(
    r"(?:,? (?:and )?[a-z]+ed)?\s+(?!and\b|or\b|then\b|well\b|until\b|for\b|in\b|on\b|with\b|over\b|through\b|off\b|down\b)[a-z]{3,}",
    re.I,
)
_GOES_IN = lazy(r"\s+(?!(?:it|them|and|the|in|on)\b)(?:[\w-]+\s+){1,2}?in(?=\s*(?:[,.;:+&]|and\b|$))", re.I)
_SALTED = lazy(r"\s+(?:the|it|them|well|lightly|generously|your|to taste\b(?! and))\b", re.I)
# "with all the rest", "quick release the rest"
_ALL_ELSE = quick(r"\b(?:(?:all|with|w/|qr|release|add|in|and) the|add|all|w/) $", re.I)
_REMAINDER = lazy(r"\s+of\b|\s+(?:the\s+)?(?:stock|water|butter|oil|ingredients)\b", re.I)


_A_COLOUR = quick(
    r"\s+(?:(?:short|long|medium|round)[ -]?(?:grain(?:ed)?)?\s+)?(?:rice|basmati|jasmine|sushi|risotto|arborio|grains?|lentils?|sugar|stock|gravy|sauce|bread|mustard|bits)\b",
    re.I,
)


_A_LIQUID = quick(r"\s+(?:water|liquid|milk|stock|broth)\b", re.I)
_IT_HAD = quick(
    r"\b(?:water|liquid|milk|stock|broth) (?:that |which )?(?:it|they|the (?:rice|grains?))(?:'s| has| have| had| is| was| were)?(?: been)? $",
    re.I,
)
_STOOD_IN = quick(r" in\b", re.I)
_IN_A = lazy(r"\b(?:in|into)(?: (?:an?|the|your))?(?: \d{3} ?(?:°|deg\w*)? ?[CF]?)?\s+$", re.I)


def verbs_in(text: str) -> list[tuple[int, str]]:
    """(place, kind) of every operation's word in the text, in order."""
    pattern, of = _verb_pattern()
    found = []
    for m in pattern.finditer(text):
        # "kook " ends with its blank: what follows is the next word
        end = "" if m["w"].endswith(" ") else m["end"].lower()
        if end == "s" and m["w"].lower() == "leave" and not _LEAVES_IT.match(text, m.end()):
            continue
        if m["w"].lower() == "brown" and not end and _A_COLOUR.match(text, m.end()) and browned(text)[m.start()] != " ":
            # "add the brown rice"
            continue
        if m["w"].lower() == "cook" and end == "er":
            # a thing one cooks in
            continue
        if m["w"].lower() == "preheat" and end == "ed" and _IN_A.search(text, max(0, m.start() - 24), m.start()):
            # "bake in preheated 350 oven": it is hot by then
            continue
        if m["w"].lower() == "leave" and _LEFT_SO.match(text, m.end()):
            # "leave it coarse", "leave them whole"
            continue
        if m["w"].lower() in ("stand", "sit") and (_STOOD.match(text, m.end()) or _SO_HIGH.match(text, m.end())):
            continue
        if m["w"].lower() in ("soak", "steep") and (
            (end == "ing" and _A_LIQUID.match(text, m.end()))
            or (_IT_HAD.search(text, max(0, m.start() - 48), m.start()) and _STOOD_IN.match(text, m.end()))
        ):
            # "its soaking water", "the water it was soaking in": what it stood in
            continue
        if m["w"].lower() == "rest" and (_REMAINDER.match(text, m.end()) or _ALL_ELSE.search(text, 0, m.start())):
            continue
        if _NOT_DONE.search(text, max(0, m.start() - 24), m.start()):
            continue
        if (
            end.endswith("ed")
            and _DONE_TO_IT.search(text, max(0, m.start() - 20), m.start())
            and _THING_AFTER.match(text, m.end())
        ):
            # "add the drained rice": how it is, and nothing that is done now
            continue
        if end.endswith("ed") and text[m.end() :] == ")" and not text[: m.start()].strip():
            # "dump in the beans (drained), 5 more min"
            continue
        if end.endswith("ed") and _GOES_IN.match(text, m.end()):
            # "drained rice in"
            continue
        if m["w"].lower() in ("salt", "pepper") and not end and not _SALTED.match(text, m.end()):
            # in a list of what goes in it is a thing, not what one does
            continue
        if end in (
            "",
            "s",
            "es",
            "ed",
            "d",
            "ing",
            "en",
            "ning",
            "ting",
            "ped",
            "ping",
            "ring",
            "red",
            "e",
            "er",
            "ion",
            "ate",
            "ating",
            "ated",
        ):
            comes = m["w"].lower() == "simmer" and _comes_to_a(text, m.start())
            found.append((m.start(), "boil" if comes else of[m["w"].lower()]))
    return found


# "bring the rice, water and salt to a simmer" brings it to the boil; "turn it down to a simmer" is the cooking
_COMES_TO_A = lazy(
    r"\bto an? (?:(?:bare|gentle|low|slow|light|steady|lively|good|fast|full|rapid) )?$",
    re.I,
)
_TURNED_DOWN = lazy(r"\b(?:reduc|turn|lower|drop|down|keep|kept|flame|knob|dial|set|low)\w*", re.I)
# so far back one looks for how it comes to that
_SO_FAR_BACK = 90


def _comes_to_a(text: str, at: int) -> bool:
    clause = re.split(r"[.;!?]", text[max(0, at - _SO_FAR_BACK) : at])[-1]
    to = _COMES_TO_A.search(clause)
    return to is not None and _TURNED_DOWN.search(clause, 0, to.start()) is None


# of two verbs in one clause the one that says more about the minutes
_WEIGHT = {
    "soak": 9,
    "release": 9,
    "off": 3,
    "rest": 8,
    "cook": 7,
    "boil": 6,
    "toast": 7,
    "fry": 7,
    "chill": 8,
    "cool": 8,
    "drain": 5,
    "sprout": 9,
}


# "till set and brown": a look, and no deed
_TILL = lazy(r"\b(?:until|till|til)\b[^,.;:!?]{0,24}\b(?:and|or|&)\s+$", re.I)
_BROWN_NOW = lazy(
    r"(?:nicely |lightly |well |just )?brown(?:ed)?(?: (?:on top|all over|at the edges))?\s*(?=[,.;:!?)]|$)", re.I
)


def _goes_on(said: str, at: int) -> bool:
    """Is it one clause with what stands before?"""
    return _amount_goes_on(said, at) or bool(_BROWN_NOW.match(said, at) and _TILL.search(said, 0, at))


def clauses(texts: Sequence[str]) -> list[Clause]:
    """All clauses of the steps, in order, with vessels and the state each finds."""
    out: list[Clause] = []
    number = 0
    for n, text in enumerate(texts):
        for at, end in sentences(text[:8000]):
            said = text[at:end]
            cuts = [at, *(at + c.end() for c in _CUT.finditer(said) if not _goes_on(said, c.end())), end]
            for a, b in zip(cuts, cuts[1:], strict=False):
                piece = text[a:b]
                if _WORD.search(piece) or re.search(r"\d", piece):
                    out.append(Clause(n, a, b, piece, number))
            number += 1
    _name(out)
    _place(out)
    _fold(out)
    return out


# "Wash the rice | and put in a pot", "drain, | add with the stock"; "stir in the cheese", "pour over the water", "put on to boil" say what, or put in nothing
_WANTS = lazy(
    r"\W*(?:(?:and|then|now|next|finally|&)[\s,]+)*"
    r"(?P<verb>add|put|tip|pour|place|stir|spoon|throw|transfer|empty|drop|fold|mix|turn(?= in| out)|spread(?= in| over| out))"
    r"(?:(?P<in>\s+in)?(?=\s*(?:[,.;:)]|$)|\s+(?:and|then|at once|straight away|immediately|last|now)\b)"
    r"|(?=\s+(?:(?:straight|directly|at once|immediately|back|together|along|also|out)\s+)*"
    r"(?:with\b(?! (?:a|your|the) (?:spoon|fork|spatula|paddle|hands?|lid))"
    r"|(?:in)?to\b(?! (?:boil|cook|soak|simmer|taste|one side|stand|steam|drain|dry|combine|coat|mix|low|the boil|a boil)\b)"
    rf"|onto\b|in(?= (?:(?!and\b|with\b)[\w-]+ ){{0,5}}?(?:{_V})s?\b))"
    r"(?! (?:the )?(?:rice|grains?)\b(?! (?:cooker|pot|pan)))))",
    re.I,
)


def wants_object(text: str) -> int | None:
    """Behind the verb of a clause that puts something somewhere without saying what; None where it says so, or puts nothing.

    >>> wants_object("and put in a pot"), wants_object("stir in the cheese")
    (7, None)
    """
    m = _WANTS.match(text)
    return None if m is None else m.end("in") if m["in"] else m.end("verb")


# "in a very slow oven for two hours and a half, stirring"
_SO_MANY_AND = quick(
    rf"(?:\b(?:hours?|hrs?|minutes?|mins?|cups?|glass(?:es)?|mugs?|teacups?|pints?|litres?|pounds?)|{NUMBER_PATTERN}),? and\s+$",
    re.I,
)
_A_PART = lazy(r"(?:(?:an?|one|three)[- ])?(?:half|quarters?|thirds?)\b", re.I)


def _amount_goes_on(text: str, at: int) -> bool:
    """Would a cut here part "two hours and" from "a half"?"""
    return bool(_A_PART.match(text, at) and _SO_MANY_AND.search(text, max(0, at - 30), at))


# "Rest, still covered, for 10 minutes": how, and nothing new
_HOW = lazy(
    r"\W*(?:(?:still|tightly|well|loosely|partly|partially|half) )*(?:un)?(?:covered|stirring|lidded)\W*$", re.I
)


# "everything except the rice and lemon": what is left out does not go in
LEFT_OUT = quick(
    r"\b(?:except(?:ing)?(?: for)?|apart from|aside from|other than|everything but|all but|but not|bar)\s+(?:(?:the|your)\s+)?[^\W\d_]+(?:(?:,| and|, and| or|/)\s+(?:the\s+)?(?!(?:in|into|to|on)\b)[^\W\d_]+){0,3}",
    re.I,
)


def leaves_out_grain(text: str) -> bool:
    """ "Put everything except the rice in the pot"?"""
    return any(_THING["grain"].search(m[0]) for m in LEFT_OUT.finditer(text))


def _name(out: list[Clause]) -> None:
    last_thing = ""
    sentence, sentence_verb = -1, ""
    for c in out:
        found = verbs_in(c.text)
        c.verbs = tuple(k for _, k in found)
        if any(k == "rinse" for _, k in found):
            # "wash the rice in a sieve"
            found = [(at, k) for at, k in found if k != "drain" or not _IN_ITS_SIEVE.search(c.text, 0, at)]
        if found and not (sentence == c.sentence and _HOW.match(c.text)):
            c.verb = max(found, key=lambda x: (_WEIGHT.get(x[1], 1), -x[0]))[1]
        told = LEFT_OUT.sub(lambda m: " " * len(m[0]), c.text)
        things = [(m.start(), k) for k, p in _THING.items() for m in p.finditer(told)]
        c.things = tuple(dict.fromkeys(k for _, k in sorted(things)))
        c.off = bool(_OFF.search(c.text) or _OFF_SHOUT.search(c.text))
        if c.off and c.verb in ("", "stir", "add"):
            c.verb = "off"
        if sentence == c.sentence and not c.verb:
            # "for the last 5 minutes", "about 20 minutes" goes on with the verb before it
            c.verb = sentence_verb
        if c.verb:
            sentence_verb = c.verb
        sentence = c.sentence
        c.aside = bool(_OTHER_TIME.search(c.text))
        solid = [k for k in c.things if k not in ("liquid", "fat", "spice")]
        if leaves_out_grain(c.text):
            last_thing = ""
        c.carried = last_thing if not c.things or (not solid and _IT.search(c.text)) else ""
        if solid:
            last_thing = "grain" if "grain" in solid else solid[-1]


_IN_ITS_SIEVE = lazy(r"\b(?:in|into|through|using|with) (?:(?:an?|the|your|fine|large|big) )+(?:mesh )?$", re.I)
_COVERED = quick(r"\b(?:cover(?:ed)?|lid|foil)\b", re.I)
_BARED = quick(r"\b(?:uncover|without|no lid|lid off|open)\b", re.I)


def _place(out: list[Clause]) -> None:
    """Gives each clause its vessel: a new one where one is named with "a", the one before with "the" or with nothing."""
    known: dict[str, int] = {}
    now, count = 0, 1
    aside_of: int | None = None
    sentence = -1
    for c in out:
        if c.sentence != sentence:
            sentence = c.sentence
            if aside_of is not None and not c.aside and ("grain" in c.things):
                now, aside_of = aside_of, None
        m = _NEW_VESSEL.search(c.text)
        the = _THE_VESSEL.search(c.text)
        if c.aside and aside_of is None:
            aside_of = now
            now, count = count, count + 1
            c.new = True
        if m and (_WEIGHED.search(c.text, 0, m.start("a")) or m["v"].lower() == "cloth" and _LIES_OVER.match(m[0])):
            # "weigh down with a plate": what lies on top holds nothing
            m = None
        if m and not (m["a"].lower() in ("your", "one") and the):
            noun = m["v"].lower()
            if noun in ("oven",):
                pass
            elif not (
                out
                and now == 0
                and count == 1
                and not any(
                    x.vessel == 0 and (x.things or x.verb in ("fry", "boil", "cook"))
                    for x in out
                    if x is not c and x.sentence < c.sentence
                )
            ):
                now, count = count, count + 1
                c.new = True
                known[noun.split()[-1]] = now
            else:
                known[noun.split()[-1]] = now
            c.noun = noun
        elif the:
            noun = the["v"].lower().split()[-1]
            c.noun = noun
            if noun in known and noun not in ("oven",):
                now = known[noun]
        c.vessel = now


# "Put all in the cooker", "everything in": the grain is among it
ALL_IN = quick(
    r"\b(?:put|add|combine|place|throw|tip|mix) (?:it )?(?:all|everything)\b(?! (?:the )?(?:veg|spice|herb|but\b|except\b))|\b(?:everything|all ingredients) (?:in|into|goes)\b",
    re.I,
)


# "dry-roast the semolina, keep aside": it is out of the pot till it is told of again
_TAKEN_ASIDE = quick(
    r"\b(?:(?:keep|set|put|leave|lay)(?: (?:it|them|this|the [a-z]+))? aside|(?:remove|transfer|take|tip|turn|pour|empty|scrape)\w*\b[^.;!?]{0,24}\b(?:to|on|onto|into|in) (?:an?|the|another) (?:[a-z]+ )?(?:plate|bowl|tray|thali|saucer|platter))\W*(?:(?:and|then) *)?$",
    re.I,
)


def _taken_aside(c: Clause, before: Clause | None, s: PotState) -> bool:
    """Is what is taken off here the grain alone, roasted dry?"""
    if not s.grain or s.wet or s.cooked or not _TAKEN_ASIDE.search(c.text):
        return False
    return "grain" in c.things or (before is not None and (c.carried == "grain" or before.verb == "toast"))


def _fold(out: list[Clause]) -> None:
    state: dict[int, PotState] = {}
    for before, c, after in zip([None, *out], out, [*out[1:], None], strict=False):
        s = state.setdefault(c.vessel, PotState())
        c.before = s.copy()
        if c.verb in ("soak", "rinse") and not s.hot:
            continue
        # "Rice: wash it": its name alone puts nothing into a pot
        heads = not c.verb and after is not None and after.verb in ("soak", "rinse") and c.text.rstrip()[-1:] == ":"
        if (
            not heads
            and ("grain" in c.things or (c.carried == "grain" and c.verb in ("add", "boil")))
            and c.verb not in ("soak", "rinse", "serve", "drain")
        ):
            s.grain = True
        elif (
            c.verb in ("add", "stir", "combine")
            and re.search(r"\b(?:everything|all (?:the )?(?:other )?ingredients|the rest of)\b", c.text, re.I)
        ) or ALL_IN.search(c.text):
            s.grain, s.wet = s.grain or not leaves_out_grain(c.text), True
        if (
            "liquid" in c.things
            and c.verb in ("add", "boil", "cook", "stir", "cover", "fry", "", "whisk")
            or ("tomato" in c.things and c.verb in ("add", "cook"))
        ):
            s.wet = True
        if c.verb in ("fry", "toast", "boil", "cook"):
            s.hot = True
        if c.verb == "boil":
            s.boiled = True
        if c.verb == "cover" or _COVERED.search(c.text):
            s.covered = not _BARED.search(c.text)
        if c.verb == "cook" and s.grain and s.wet:
            s.cooked = True
        if c.verb == "drain" and (s.cooked or s.boiled):
            s.drained = True
        if _taken_aside(c, before, s):
            s.grain = False
        if c.off or c.verb in ("release",):
            s.off = True
        elif s.off and (_ON_AGAIN.search(c.text) or c.verb == "fry"):
            s.off = False
    grains = {v for v, s in state.items() if s.grain} or {0}
    # where several hold it, the one it is cooked in
    for c in out:
        c.grains = c.vessel in grains


# what becomes of it on another day
_ANOTHER_DAY = lazy(
    r"\W*(?:to (?:re-?heat|store|freeze|serve later)|re-?heat|left-?overs?|store (?:in|the|any|it|left|cooled)|keeps?(?= (?:well|up to|for (?:up to |about )?\d+ days?|\d+ days?|in the fridge|refrigerated|chilled))|freezes?|can be (?:kept|frozen|reheated|stored)|(?:microwave|heat|steam|cook)(?= (?:it |them )?(?:straight )?from frozen))\b(?! (?:the |a |some )?(?:oil|pan|oven|butter|wok|warm|covered|hot|stirring|an eye))",
    re.I,
)
COOKED_SO_FAR = lazy(r"\b(?:simmer\w*|cook\w*|boil\w*|bake\w*|steam\w*|pressure|whistles?)\b", re.I)


def another_day_blanked(texts: Sequence[str]) -> list[str]:
    """The steps' texts; sentences on storing and heating up again, once something was cooked, are blanked: neither a way to cook it nor its minutes."""
    out, cooked = [], False
    for text in texts:
        for a, b in sentences(text[:8000]):
            said = text[a:b]
            if cooked and _ANOTHER_DAY.match(said):
                text = text[:a] + " " * len(said) + text[b:]
            cooked = cooked or bool(COOKED_SO_FAR.search(said))
        out.append(text)
    return out


def without_looks(text: str) -> str:
    """The text with our own looks blanked out, every other letter in its place."""
    return OWN_LOOK.sub(lambda m: " " * len(m[0]), text) if "ook: " in text else text


def clause_at(found: Sequence[Clause], block: int, at: int) -> int | None:
    """Index of the clause that holds this place of a block's text."""
    best = None
    for i, c in enumerate(found):
        if c.block == block and c.start <= at < c.end:
            return i
        if c.block == block and c.start <= at:
            best = i
    return best


def rule_kind(found: Sequence[Clause], i: int, before: str, after: str, minutes: float) -> str:
    """What the process alone says a stretch is for; the tagger weighs it with everything else."""
    c = found[i]
    s = c.before
    tail = before[-60:]
    grainy = "grain" in c.things or (not c.things and c.carried == "grain") or (not c.things and s.grain)
    if re.search(r"\b(?:every|each|per)\s*$|\b(?:every|each)\s+\w*\s*$", tail, re.I) or re.match(
        r"\s*(?:/|a|per|each|on each)\s*side", after, re.I
    ):
        return "other"
    if re.search(r"\b(?:last|final)\s*$", tail, re.I) or re.match(
        r"\s*(?:before|from the end|to go|left)\b", after, re.I
    ):
        return "from_end" if c.grains else "other"
    if (
        re.search(r"\b(?:after|once|first|at the)\s*(?:the\s*)?(?:first\s*)?$", tail, re.I)
        and (s.cooked or s.grain)
        and not s.off
    ):
        return "from_start"
    if re.search(r"(?:pressure|steam)[^.]{0,30}$", tail, re.I) and re.match(r"\s*to (?:come|build|reach)", after, re.I):
        return "come_up"
    if c.verb == "release" or re.search(r"\b(?:natural(?:ly)?|release|npr)\b", tail + after[:25], re.I):
        return "release"
    if c.verb == "soak":
        return "soak" if grainy and not s.cooked else "other"
    if c.verb in ("chill", "cool", "chop", "preheat", "grind"):
        return "other"
    if not c.grains:
        return "other"
    if c.verb in ("rest", "off") or s.off or c.off:
        if s.grain and (s.cooked or s.boiled or s.off):
            return "rest"
        return "soak" if grainy and not s.hot else "other"
    if (
        c.verb == "boil"
        and re.search(r"\b(?:bring|come|return|reach|back)\w*\b[^.]*$", c.text, re.I)
        and not re.search(r"\bsimmer|cook\b", c.text, re.I)
    ):
        return "come_up" if s.grain else "other"
    if c.verb in ("cook", "boil", "cover", "stir", "look", "add", "", "drain"):
        if s.grain and (s.wet or "liquid" in c.things):
            return "heat"
        if s.grain:
            return "toast" if c.verb != "cook" else "heat"
        return "pan" if c.verb != "drain" else "other"
    if c.verb in ("fry", "toast"):
        return "toast" if s.grain and not s.wet else "pan" if not s.grain else "heat" if s.wet else "toast"
    return "other"
