"""The lines of a text, each with its class, put together: title, servings, ingredient lines under their sections, steps out of wrapped lines.

What fits nothing is kept as a note: nothing is lost, and nothing is taken for what it is not.
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, field, replace
from itertools import pairwise

from ..measures import NUMBER_PATTERN, RANGE_PATTERN, UNIT_PATTERN, number_range
from ..process import Span
from ..quick import lazy, quick
from ..text.plain import BARE_NUMBER, SMALL_NUMBER, TextLine, joined, lines_of, plain
from ..text.sentences import sentences
from ..text.times import stretches
from . import lines as tagger
from . import pot_words
from .clauses import THINGS, VESSEL_WORDS, verbs_in
from .ingredients import foods
from .minutes import WHISTLES
from .names import find_grains, kind_of_rice
from .ways import way_of
from .words import word_list

MOST_SERVINGS = 200
# "makes 60" counts rolls; so many at the table are said to be people
MOST_MADE = 16
# so many may be counted pieces too
MANY_MADE = 8
_PEOPLE = r"(?:servings?|svgs?|members|log(?=\s*(?:\)|$)|\s+ke\b)|jana\b|serves|portions?|port\b(?=\.|\s*$)|people|persons?|pax|pple|ppl|covers?(?=\s*(?:[).,;]|$))|heads?(?= *(?:[.,;)]|$))|hungry \w+|adults|toddlers?|kids|children|nos\.?|bowls?|plates?|guests|eaters|lunch(?:es|boxes)|dinners|suppers|of us|person(?:en|as|er|e|nes|n)|pers\b|pessoas|raci(?:ones|ón)|porcion(?:es)?|porções|porzioni|comensales|portionen|portioner|porsjoner|porties|porcj[ie]|portions|orang|org|kişi(?:lik)?|porsi(?:yon(?:luk)?)?|os[oó]by?|watu|nafar|couverts?|aalukal|người|személy\w*)"
# "side-dish servings", "hungry people"
_KIND = r"(?:(?:big|large|small|hungry|normal|ordinary|average|grown|good|generous|decent|polite|full|light|side|main|starter|lunch|dinner|adult|child|family|kid|baby|toddler)(?:[ -](?:dish|course|size|sized|plate|meal))?,? ){0,2}"
_N = rf"(?:{NUMBER_PATTERN})(?:\s*(?:-|–|—|to|or|/)\s*\d{{1,3}})?"
_SERVES = quick(
    # nothing of it begins within a word
    rf"(?:\b|(?=[-(]))(?:\b(?:serves?|recipeyield|batch of|does(?: us)?(?: for)?|family of|plenty for|(?:we|you) get|was for|serving[s]?(?:\s*size)?(?=\s*[:=-]?\s*\d)|feeds|feed|makes|yields?|sufficient for|enough for|headcount|(?:portions?|comensales|commensali|convives|coperti|portionen|portioner|porsjoner|porties|porcje|porcj[ai]|porções|porzioni|raciones|porciones|parts|személy|porsi)(?=\s*[:=])|banday|watu|dosi per|ingredienti per|for|para|pour|für|buat|untuk|per(?= \d)|was for|is for)(?:\b|(?<=servings)|(?<=serves))\s*(?:[:=~–-]|approx\.?|about|abt|around|like|up to|some|the|all|roughly|only|just|\s)*(?!an?\b)(?P<a>{_N})(?!\s*(?:{UNIT_PATTERN}|pan|tray|loaf|dish|ring|mould|mold|large pan|\d{{1,2}} ?x ?\d{{1,2}}|min|hour|%|°|inch|cm|x\b|whistle|days?|months?|weeks?)(?![\w]))(?!\s?(?:/\s?\d|[½¼¾⅓⅔]|\d+\s?/\s?\d))"
    # "12 x 180 g portion"
    rf"|(?<![\w/.])(?P<h>\d{{1,3}})\s?[x×]\s?\d{{2,4}}\s?(?:g|ml)\b(?=[^.;,\n]{{0,12}}\b(?:portion|serving))"
    rf"|(?<![\w/.])(?P<b>{_N})\s*{_KIND}{_PEOPLE}\b"
    rf"|(?<![\w/.])(?P<e>\d{{1,2}})\s*\([^()]{{2,24}}\)\s*(?:servings|portions)\b|(?<![\w/.–-])(?P<f>{_N}) as (?:an? )?(?:main|dinner|supper|meal|lunch|side|starter)\b|\b(?:makes|yields?|fills?)\s+(?:about )?(?P<g>\d{{1,2}}) (?:small |big |large |lunch ?)?(?:jars?|boxes|tubs|containers|mugs|ramekins|pots)\b|\((?P<c>\d{{1,2}})\s*(?:p\.?|(?:lunch ?|meal ?)?(?:boxes|tubs|jars|containers|pots))\)|\b(?:we|us) (?:are|were) (?P<d>{_N})\b)",
    re.I,
)
# "2 adults and 3 kids" are five, and a question: who knows how much those three eat
_AND_CHILDREN = lazy(
    rf"(?:\s*(?:hungry )?(?:adults?|grown-?ups?))?\s*(?:,|\+|&|and\b|plus\b)\s*(?P<n>{_N})\s+(?:(?:small|young|little|hungry) )?(?:kids?|child(?:ren)?|toddlers?|teen(?:ager)?s?|little ones)\b",
    re.I,
)
_THINGS_COUNTED = lazy(rf"(?:makes?|yields?)\b(?!.*\b{_PEOPLE}\b)", re.I)
_A_BREATH = lazy(r"\s*(?:[,.;(·|•]|$|or\b)")
# "For two, halve it all"
_OTHER_SIZE = lazy(
    r"\s*,?\s*(?:just |simply |you )?(?:halve|double|use|increase|reduce|add|make|multiply|cut|scale|triple)\b", re.I
)
_SAYS_ONLY_THAT = lazy(r"(?:^|[.!?;]\s)\W*$")
_ASIDE = lazy(r"\bas (?:an? )?(?:side|starter)\b", re.I)
# what a packet says of one portion
_ON_A_LABEL = lazy(r"\bserving size\b|\bk?cal(?:orie)?s?\b", re.I)
_BEHIND_TITLE = lazy(r"\((1?\d)\)\s*$")
_MADE = lazy(r"\s*(?:makes?|yields?|gives)\b", re.I)
# "Makes 8 cups" counts nobody
_ALONE = lazy(
    rf"(?<![\w/.])(?!an?\b){_N}(?!\s*(?:x ?\d+|days?|weeks?|months?|hours?|min\w*|cups?|gal(?:lon)?s?|quarts?|pints?|lit(?:re|er)s?|l|ml|g|kg|oz|lbs?|pounds?)\b|\s?(?:/\s?\d|[½¼¾⅓⅔]|\d+\s?/\s?\d)|\s+\d{{1,2}} ?x ?\d)",
    re.I,
)
_A_TIME = lazy(
    r"[^\W\d_]+(?:[ -][^\W\d_]+){0,3}\s*[:=-]?\s*(?:about |~)?\d{1,3}(?:[½¼¾ –-]\d{1,2})?\s*(?:minutes?|mins?\.?|m|hours?|hrs?\.?|h)(?:\s*\d{1,2}\s*(?:minutes?|mins?\.?|m))?",
    re.I,
)
_BRACKETED_HEAD = lazy(r"[【〈《「][^【】〈〉《》「」\d]{2,30}[】〉》」]\s*:?")
_COUNTED_FOOD = lazy(r"(?P<food>[^\W\d_]+(?: [^\W\d_]+)?) \d{1,2}(?: (?:large|small|medium|big|ripe))?", re.I)
_LIQUID_ALONE = quick(
    rf"(?:(?:boiling|hot|cold|warm|fresh) )?(?:water|stock|broth|milk)\W{{0,3}}(?:about |abt |ca\.? |approx\.? )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?",
    re.I,
)


def _foods_counted(text: str) -> bool:
    """ "Tomatoes 8 large, peppers 4": how many of each, and each is food."""
    parts = [_COUNTED_FOOD.fullmatch(x.strip()) for x in text.strip(" .").split(",")]
    return all(m and re.sub(r"(?<=[^s])s$|(?<=o)es$", "", m["food"].lower().split()[-1]) in foods() for m in parts)


_BETWEEN_TIMES = lazy(r"\s*[·|•;,/+]\s*|\.\s+(?=[A-Z])")
_SERVES_FIRST = quick(
    r"\s*(?:serves|makes|feeds|portions:?|servings:?) \d{1,2}(?: ?(?:-|–|to|or) ?\d{1,2})?\s*[.,;|·•]\s+", re.I
)
LONGEST_OF_TIMES = 160


def _only_times(text: str) -> bool:
    """ "Prep 5 min · Come to pressure 8 min · Cook 22 min · Total 45 min" sums up, and bids nothing."""
    parts = _BETWEEN_TIMES.split(_SERVES_FIRST.sub("", text).strip(" .")) if len(text) <= LONGEST_OF_TIMES else []
    return len(parts) > 1 and bool(_IN_ALL.search(text)) and all(_A_TIME.fullmatch(x) for x in parts)


_IN_ALL = quick(r"\b(?:prep\w*|total|all in|active|hands[- ]on|ready in)\b", re.I)
# "Zutaten für 4 Portionen:"
_SERVED_SO = r"[,:–-]?\s*(?:(?:für|pour|para|per|voor|för|til|na|untuk|dla)\s+)?\d{1,2}(?:\s?[-–]\s?\d{1,2})?\s*[^\W\d]{0,12}\.?\s*"
# over a list, and over a method, where they are not English
_LIST_ABROAD = r"ingredientes|necesitas|ingredienti|occorrente|cosa serve|(?:ce qu)?il vous faut|(?:das|was) (?:du brauchst|brauchst du|ihr braucht)|du brauchst|ingrédients|zutaten(?:liste)?|ingrediënten|benodigdheden|(?:dit|wat) heb je nodig|boodschappen|ingredienser|(?:det här )?behöver du|(?:det )?skal du bruge|du skal bruge|du trenger|składniki|malzemeler|bahan(?:-bahan)?|hozzávalók|ingredience|suroviny|sastojci"
_HOW_ABROAD = (
    r"preparación|elaboración|modo de preparación|preparazione|procedimento|esecuzione|preparação|modo de (?:preparo|fazer)|préparation|réalisation|recette|zubereitung|anleitung|so (?:geht|wird)['’]?s(?: gemacht)?"
    r"|bereiding(?:swijze)?|werkwijze|zo maak je het|aan de slag|tillagning|(?:gör )?så här(?: gör du)?|gör så|gör så här|fremgangsmåde|sådan gør du|gør sådan|tilberedning|slik gjør du|fremgangsmåte"
    r"|przygotowanie|sposób (?:przygotowania|wykonania)|wykonanie|jak zrobić|hazırlanışı|yapılışı|cara(?: (?:membuat|memasak)|(?=\s*:))|langkah(?:-langkah)?|elkészítés|postup|priprema"
)
_HEAD_ONLY = lazy(
    r"^(?:the\s+)?(?:ingredients?|method|directions?|instructions?|steps?|procedure|preparation|notes?|tips?|what (?:to|you) do|what you(?:'ll)? need|you(?:'ll)? need|you will need|how to make it|recipe|nutrition|equipment"
    rf"|procedim[ie]+nto|(?:{_LIST_ABROAD}|{_HOW_ABROAD})(?:\s*{_SERVED_SO})?)\s*(?:\([^()]*\)\s*)?:?$",
    re.I,
)
_METHOD_ABROAD = lazy(rf"(?:{_HOW_ABROAD})\s*:?", re.I)
_HEAD_ABROAD = lazy(rf"\W*(?:{_LIST_ABROAD}|{_HOW_ABROAD})\s*(?:\([^()]*\)\s*)?(?:{_SERVED_SO})?:?\W*", re.I)
_SERVES_ABROAD = lazy(
    r"\b(?:servieren|anrichten|serv(?:ir|ire|ez|ite)|serveer|serveren|sirv\w+|servera|servér)\b", re.I
)
# "Mettre le tout dans le cuiseur", "Kom risene i": what a sentence of another tongue bids first
_PUTS_ABROAD = lazy(
    r"\W*(?:\d{1,2}[.)]\s*)?(?:mett(?:re|ez|ere|ete|i|iamo)|plac(?:er|ez)|pos(?:er|ez)|vers(?:er|ez|are|ate|a)|vid(?:er|ez)|couvr(?:ir|ez)|ferm(?:er|ez)|pon(?:er|emos|ed)?|pongan?|coloc(?:ar|a|amos)|coloque|vert(?:er|emos)|vierte|cerrar|cierra|tapar|tapa|ponha|despeje|feche|tampe|chiud(?:ere|ete|i)|copr(?:ire|ite)|tritare|lav(?:are|ate|ar|a|er|ez)|rinc(?:er|ez)|enjuag\w+"
    r"|doe|leg|zet|sluit|dek|was|spoel|lägg|sätt|häll|skölj|stäng|kom|hæld|læg|sæt|skyl|dæk|legg|sett|hell|skyll|włóż|wlej|wsyp|przykryj|opłucz|umyj|zamknij|cuci|bilas|tuang|letakkan|tutup|masukkan)\b"
    # the verb stands last: "in den Topf geben", "tencereye koyun"
    r"|[^.!?]{4,160}\b(?:geben|legen|stellen|gießen|füllen|schließen|einschalten|waschen|spülen|koyun|koyunuz|ekleyin|dökün|kapatın|yıkayın)\s*[.!]",
    re.I,
)
_TIP_ABROAD = lazy(
    r"\W*(?:consigli\w*|consejos?|trucos?|sugerencias?|notas?|note|tipp?s?|hinweis\w*|astuces?|conseils?|remarques?|variant\w*|dicas?|obs)\b",
    re.I,
)
_EDITED = lazy(
    r"\W*(?:(?:edit(?:ed)?|eta|update|tl;?dr)\s*\d?\s*:|\d{1,2}:\d{2}\s*[-–:]?\s*(?:intro\w*|outro|preview|teaser|start|thanks?(?: you)?)\W*$)",
    re.I,
)
# "for 6", in the tongues that say it so; without people behind it, it may be anything
_PLAIN_FOR = quick(r"(?:for|para|pour|für|buat|untuk|per) ", re.I)
_EACH = lazy(
    r"\W*(?:for |serves )?(?:per|each) (?:person|head|portion|serving|guest)\b(?!.*\b(?:k?cals?|kj|fat|carbs?|protein)\b)",
    re.I,
)
_OVEN_ON = lazy(
    r"\d{3} ?°? ?[CF]\b|(?:(?:pre-?)?heat (?:the |your |an? )?oven|pre-?heat|(?:set|turn|switch) (?:on )?(?:the |your )?oven|oven)\b[^.;]{0,24}?\b(?:\d{2,3}|gas(?: mark)? ?\d|on|hot|medium)\b",
    re.I,
)
# "Oven temp: 350F", "375°F oven", over the list
_OVEN_TEMP = lazy(
    r"oven(?: temp(?:erature)?\.?)?\s*[:=-]?\s*\d{3}(?!\d)|\d{3} ?°? ?[CF]?,? (?:fan )?oven\W*$|(?:oven )?gas(?: mark)? \d\W*$",
    re.I,
)
# a page's data, copied with its keys
_KEYED = lazy(
    r"\W*(?:(?P<yield>recipeYield)|(?:prep|cook|total|perform)Time|recipe(?:Category|Cuisine)|datePublished)\W*[:=]"
)
# "Pressure build 10 mins", "Cook time 6 min", over the list
_TIME_ALONE = quick(
    rf"(?:[^\W\d]+ ){{0,2}}(?:time|build|prep\w*|cook(?:ing)?|total|rest(?:ing)?|soak(?:ing)?|release|marinat\w+|chill(?:ing)?|ready in|inactive|active|hands[- ]on)\s*[:–—-]?\s*(?:about |abt )?{RANGE_PATTERN}\s*(?:m|mins?|minutes?|h|hrs?|hours?)\.?",
    re.I,
)
_COLUMNS = quick(
    r"(?:(?:qty|quantity|amounts?|units?|measures?|items?|ingredients?|names?|prep(?:aration)?|notes?|no\.?|#|what|how(?: (?:much|many|to|long))?|for the pot|method|steps?|what to do|times?|min(?:ute)?s?)(?:\s*[|/;,\t-]\s*|\s+|$)){2,5}",
    re.I,
)
# a word between two parts of a list
_AND = lazy(r"(?:and|plus|also|besides)\s*:?$", re.I)
_MINUTES_ABROAD = lazy(r"dakika|\bdk\b|minut[eiosnt]|menit|dakik|ghant|stunden?|\bore\b|horas?\b|heures?\b", re.I)
# "On Mon, Aya wrote:", over a mail that is quoted
_QUOTED_MAIL = lazy(r"(?:on|am|le|el) .{2,60}(?:wrote|writes|schrieb.{0,30}|a écrit|escribió)\s?:$", re.I)
_RATIO = quick(
    r"(?:the )?(?:ratio|rule(?: of thumb)?|medida|proporci[oó]n(?:es)?|proporç[aã]o|proporzion[ei]|rapporto|verhältnis|förhållande)(?: (?:is|of|de|es)\b[^:=]{0,24})?\s*[:=]\s*(?=\d)",
    re.I,
)
_GREETS = quick(
    r"\s*(?:hi|hiya|hello|hey|dear|hola|ciao|hallo|liebe[rs]?|bonjour|ch[eè]re?|ol[aá]|hej|hei|cześć)(?: [^\W\d]{1,14}){0,3}\s*[,!.]*\s*",
    re.I,
)
_ROUGH_TITLE = lazy(
    r"\s*[(,–—-]\s*(?:serves|feeds|for|makes|serving)\s+\d+[^)]*\)?$|\s{2,}\(?(?:serves|feeds|makes|yields?)\b:?\s*\d+(?:\s?[-–]\s?\d+)?\)?$|\s{2,}(?:portions?|yield|servings|batch)\b(?: size)?\s?[:=].*$|\s*[(,–—-]\s*\d{1,2} ?(?:servings|portions|people|persons|pers|pax)\b\W*$|\s{2,}(?:from|by|recipe (?:from|by|of))\b.*$"
    # "Green pot – what you need"
    r"|\s*[:|–—-]\s*(?:what (?:you(?:'ll)? )?need|you(?:'ll)? need|ingredients|the recipe)\s*:?$",
    re.I,
)
_JUNK_TITLE = lazy(
    r"^recipe (?:card|sheet|no\.?|number) ?#?\d+\s?[-–—:]\s*|^(?:subj(?:ect)?|title|recipe(?: for)?|re|fw|fwd)\s*:\s*(?:(?:re|fw|fwd):\s*)*",
    re.I,
)


_MEASURED = lazy(rf"{RANGE_PATTERN}\s*-?\s*(?:{UNIT_PATTERN})(?![\w])\.?\s+[^\W\d]", re.I)
_NAMED_AMOUNT = lazy(
    rf"(?!(?:serv\w*|yields?|makes?|total|portions?|size|prep|cook)\b)[^\W\d][^:\d]{{1,34}}:\s*(?:about |abt )?{RANGE_PATTERN}\s*-?\s*(?:{UNIT_PATTERN})(?![\w])\.?[^.!?]{{0,40}}$",
    re.I,
)
_WHISTLES_BEHIND = lazy(
    r"(?:\s+[-–—>]+\s*|\s*[,(]\s*)(?P<do>(?:(?:pressure[- ]?cook|p\.?c\.?|cook|for|give|upto|up to)(?: it)? )*\d{1,2}(?:\s*[-–]\s*\d{1,2})? ?whistles?\b[^\n()]*)\)?\s*$",
    re.I,
)
_MAKES_SO_MUCH = lazy(
    rf"(?:makes?|yields?|gives)(?: you)?:? (?:about |abt |around |roughly |approx\.? )?{RANGE_PATTERN}\s*(?:cups?|qts?|quarts?|pints?|litres?|liters?|l|bowls?)(?: of \w+| cooked)?\.?",
    re.I,
)
_VERBS = word_list("verbs")


@dataclass(slots=True)
class Piece:
    """A line, or a step made of several wrapped ones: its place, its plain text letter for letter, the section it stands under."""

    text: str
    span: Span
    section: str = ""
    number: int | None = None
    first: int = 0
    sure: float = 1.0


@dataclass(slots=True)
class Structure:
    plain: str = ""
    title: Piece | None = None
    servings: tuple[float, Span] | None = None
    servings_sure: bool = False
    servings_ranged: bool = False
    lines: list[tuple[Piece, bool]] = field(default_factory=list)
    steps: list[Piece] = field(default_factory=list)
    notes: list[Piece] = field(default_factory=list)
    headings: list[Piece] = field(default_factory=list)
    classes: list[tuple[int, int, str, float]] = field(default_factory=list)


_ASKS = lazy(r"(?:[^\W\d]+ ){0,2}[^\W\d]+ ?\?+")
# "how much water?" "3 cups after draining"; "for how many is that?" "5": an answer is of what was asked
_HOW_MUCH = lazy(
    r"(?:[^?]*[.,!] ?)?(?:and |so |but |ok )*how (?:much|many) (?P<what>(?!people|persons|of\b|for\b|is\b|does\b)[^\W\d]{3,}(?: [^\W\d]+){0,4}) ?\?+",
    re.I,
)
_HOW_MANY_EAT = lazy(
    r"\b(?:for|serves?|feeds?) how many\b|\bhow many (?:people|persons|of us|does (?:it|that) (?:serve|feed)|is (?:it|that) for)\b",
    re.I,
)
_SO_MUCH_SAID = lazy(
    rf"(?:about |abt |maybe |~ ?)?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})(?![\w])\.?(?! (?:of )?[^\W\d]{{3,}} (?:and|\+|,))",
    re.I,
)
_JUST_A_NUMBER = lazy(r"(?:about |maybe |like )?\d{1,2}(?: people| of us| ppl)?[.! ]*", re.I)
_ASKS_BACK = quick(
    r"(?:and |so |but |ok |wait )*(?:how|what|which|when|why|where|who|do (?:you|i|we)|does|is (?:it|that)|can (?:you|i)|should i|any)\b[^?]{0,60}\?+",
    re.I,
)
_SAYS_YES = quick(r"(?:nope|no|nah|yes|yeah|yep|yup|ok|okay|sure|thanks|thank you|thx|lol|haha)[.! ]*", re.I)


def _announced(tagged: Sequence[tagger.Tagged]) -> frozenset[int]:
    """Steps without a number that a page tells before its recipe: under a heading, above the heading of the list, while the method stands behind the list."""
    heads = [t.line.index for t in tagged if t.cls == "heading"]
    first = next((t.line.index for t in tagged if t.cls in ("ingredient", "ingredients")), None)
    if first is None or len([h for h in heads if h < first]) < 2:
        return frozenset()
    head = max(h for h in heads if h < first)
    steps = [t.line for t in tagged if t.cls == "step"]
    method = next((h for h in heads if h > first), None)
    if method is None or len([ln for ln in steps if ln.index > method]) < 2:
        return frozenset()
    return frozenset(
        ln.index
        for ln in steps
        if ln.index < head and not re.search(r"\d", ln.text) and ln.number is None and not any(stretches(ln.text))
    )


def lay_out(text: str, said: Mapping[str, str] | None = None) -> Structure:
    """said: the cook's own class of single lines, by their text."""
    told = plain(text)
    out = Structure(plain=told)
    tagged = _numbered(_without_margins(_without_running_heads(tagger.tag(lines_of(told, text)))))
    stepless = not any(t.cls == "step" for t in tagged)
    bare = not any(t.cls in ("step", "ingredient", "ingredients") for t in tagged)
    thin = _thin(tagged)
    prose = _running_prose(tagged)
    section = ""
    # who writes everything small begins no sentence in the middle of one
    written = _written_out(told) and _is_wrapped([t.line for t in tagged if t.cls == "step"])
    small = not written and _all_small([t.line for t in tagged])
    acting = _acting_rows(tagged)
    rice_heads = _RICE_HEADS.search(told) is not None
    numbered = _numbered_heads(told, [t.line for t in tagged])
    last_listed = max((t.line.index for t in tagged if t.cls in ("ingredient", "ingredients")), default=-1)
    last_step = max((t.line.index for t in tagged if t.cls == "step"), default=-1)
    foreign = pot_words.of_another_tongue(told)
    heads_steps = abroad = False
    talk = _talk(tagged)
    announced = _announced(tagged)
    for t in tagged:
        ln = t.line
        shown = " ".join(text[ln.start : ln.end].split())
        cls, sure = t.cls, t.sure
        if cls not in ("heading", "title") and _HEAD_ABROAD.fullmatch(ln.text):
            # "Sådan gør du", "Składniki": in another tongue than the tagger's
            cls, sure = "heading", HEAD_SURE
        if cls in ("heading", "section"):
            abroad = _METHOD_ABROAD.fullmatch(ln.text.strip()) is not None
        elif (
            cls in ("chatter", "note")
            and (
                abroad
                or out.steps
                and (sure < DOUBTFUL_ABROAD or foreign and out.steps[-1].first == ln.index - 1 and not ln.blank_before)
                and (foreign or pot_words.of_another_tongue(out.steps[-1].text))
            )
            and not _TIP_ABROAD.match(ln.text)
            and (
                verbs_in(ln.text)
                or _SERVES_ABROAD.search(ln.text)
                or _PUTS_ABROAD.match(ln.text)
                or {"HEAT", "FRY", "REST", "ADD", "STIR", "COVER", "DRAIN", "SOAK"} & set(pot_words.classes(ln.text))
            )
        ) or (
            (cls in ("chatter", "note", "meta") or (cls == "section" and ln.text.rstrip()[-1:] == "."))
            and foreign
            and (
                last_listed < ln.index < last_step
                or (out.steps and out.steps[-1].first == ln.index - 1 and not ln.blank_before)
            )
            and len(ln.text.split()) >= LEAST_OF_A_STEP
            and not _TIP_ABROAD.match(ln.text)
            and ln.text.rstrip()[-1:] != ":"
        ):
            # "Unire i piselli e servire", under "Preparazione": another tongue than the tagger's
            cls, sure = "step", 0.55
        if bare and cls in ("title", "note", "chatter", "meta", "servings") and _MEASURED.match(ln.text):
            # a line or two without more: what begins with an amount goes in
            cls, sure = "ingredient", 0.5
        if (
            cls in ("title", "note", "chatter", "meta")
            and sure < SURE_NOTE
            and out.title
            and _NAMED_AMOUNT.match(ln.text)
        ):
            # "Rice: 2 cups"
            cls, sure = "ingredient", 0.6
        if (
            cls in ("note", "chatter", "meta")
            and sure < SURE_NOTE
            and out.title
            and not out.steps
            and len(ln.text.split()) <= MOST_OF_A_THING
            and ln.text.rstrip()[-1:] not in "?!."
            and find_grains(ln.text)
            and _MEASURED.search(ln.text)
            and not any(stretches(ln.text))
        ):
            # "brown short grain 2 cup", in a chat
            cls, sure = "ingredient", 0.6
        if ln.index in prose and cls not in ("step", "heading"):
            # "… scald the milk; add / 1 cup boiled rice, 1 tablespoon butter, / cheese cut fine": the page breaks the line, and not the sentence
            cls, sure = "step", 0.6
        if ln.index in thin:
            # "chawal daalo, namak, 3 cup pani" in a chat: the words say little to us, the pot's words do
            cls, sure = thin[ln.index], 0.5
        # a recipe told in one breath: its amounts and its minutes stand in the one line
        told_how_long = any(stretches(ln.text)) or WHISTLES.search(ln.text) is not None
        whole = bare and len(ln.text.split()) > 20 and bool(_MEASURED.search(ln.text)) and told_how_long
        if (
            stepless
            and (cls in ("note", "chatter", "meta") and out.lines or whole)
            and (_does(ln) or _names_two(ln.text, out.lines) or _tells_minutes(ln.text))
        ):
            # a text without a single step has one all the same: what cooks something
            cls, sure = "step", 0.6
        if (
            cls in ("note", "chatter", "meta")
            and out.lines
            and not out.steps
            and pot_words.of_another_tongue(ln.text)
            and len(sentences(ln.text)) > 1
        ):
            # "Fordel ris og løg i et fad. Hæld bouillon over": several sentences right below the list, in a tongue the tagger does not know
            cls, sure = "step", 0.6
        if (
            cls in ("servings", "meta")
            and len(ln.text.split()) > 8
            and out.lines
            and _does(ln)
            and not _MEASURED.match(ln.text)
        ):
            # "Simmer gently for an hour. Makes about 20": its number is found all the same
            cls, sure = "step", 0.6
        last = out.steps[-1] if out.steps else None
        if (
            cls in ("note", "chatter")
            and last is not None
            and last.first == ln.index - 1
            and (sure < SURE_NOTE and (_goes_on_cooking(ln) or _works_with(ln, out.lines)) or _for_the_part(ln))
        ):
            # "Bring to a simmer, cover … for 1 hour" right under the steps is one of them
            cls, sure = "step", 0.6
        if (
            cls == "ingredient"
            and sure < SURE_NOTE
            and out.lines
            and not _MEASURED.match(ln.text)
            and any(_MINUTES_ABROAD.search(s.text) for s in stretches(ln.text))
        ):
            # "Sıcak suyu ekleyin. Kaynayınca 12 dakika pişirin."
            cls, sure = "step", 0.6
        if (
            cls in ("note", "chatter")
            and sure < DOUBTFUL_ABROAD
            and last is not None
            and last.first == ln.index - 1
            and not ln.blank_before
            and any(_MINUTES_ABROAD.search(s.text) for s in stretches(ln.text))
        ):
            # "Kısık ateşte 12 dakika pişirin": its words say nothing to us, its minutes and its place do
            cls, sure = "step", 0.6
        if (
            cls in ("note", "chatter")
            and last is not None
            and last.first == ln.index - 1
            and _NAMED_PART.match(last.text)
            and _NAMED_PART.match(ln.text)
            and verbs_in(ln.text)
        ):
            # "Rice: bring … to the boil", and right below it "Beans: warm them …"
            cls, sure = "step", 0.7
        if (
            cls in ("note", "chatter", "servings", "meta")
            and last is not None
            and last.first >= ln.index - 2
            and _STANDS_NOW.match(ln.text)
        ):
            # "Rest under a cloth 5 min."
            cls, sure = "step", 0.7
        following = tagged[ln.index + 1] if ln.index + 1 < len(tagged) else None
        if cls in ("heading", "section") and out.lines and ln.text.rstrip()[-1:] == "." and len(ln.text.split()) > 4:
            # "At home: bag everything but the oil."
            cls, sure = "step", 0.7
        if cls == "step" and ln.text.strip() and not re.search(r"[^\W_]", ln.text):
            # a line of dashes
            cls, sure = "chatter", 0.95
        if (
            cls == "note"
            and out.classes
            and out.classes[-1][2] == "step"
            and not ln.blank_before
            and (does := verbs_in(ln.text))
            and does[0][0] == 0
            and does[0][1] not in ("serve", "look")
            and not _LABEL.match(ln.text)
            and not _ANOTHER_TIME.search(ln.text)
        ):
            # "Temper and pour over", right below the last step
            cls, sure = "step", 0.6
        if (
            cls == "ingredient"
            and not ln.marks
            and following is not None
            and following.cls == "ingredient"
            and following.line.marks
            and _NAMES_PART.fullmatch(ln.text.strip())
            and (not out.classes or out.classes[-1][2] != "ingredient" or ln.blank_before)
        ):
            # "Chicken", and below it " - 2 chicken legs"
            cls, sure = "section", 0.7
        if cls == "ingredient" and _MAKES_SO_MUCH.fullmatch(ln.text.strip()):
            # "makes about 8 cups"
            cls, sure = "meta", 0.8
        if cls in ("ingredient", "ingredients") and "(" in ln.text and _HEAD_ONLY.match(ln.text.strip()):
            # "Ingredientes (4 personas)"
            cls, sure = "heading", 0.9
        if cls in ("ingredient", "ingredients") and (PRICE.match(ln.text) or len(NUTRITION.findall(ln.text)) > 1):
            # "$1.89 / lb", "Calories 160. Fat 0 g. Sodium 0 mg."
            cls, sure = "chatter", 0.9
        if (
            cls == "ingredient"
            and ln.text.rstrip().endswith(":")
            and not re.search(r"\d|,", ln.text)
            and len(ln.text.split()) <= 4
            and following is not None
            and following.cls in ("ingredient", "ingredients")
        ):
            # "salad (optional):", and its things below
            cls, sure = "section", 0.7
        if (
            cls == "ingredient"
            and following is not None
            and following.cls in ("ingredient", "ingredients")
            and re.match(r"\W*[\d½¼¾⅓⅔]", following.line.text)
            and _PART_ALONE.fullmatch(ln.text.strip())
        ):
            # "sauce", and what goes into it on the next line
            cls, sure = "section", 0.7
        if cls in ("note", "chatter", "meta") and out.lines and _LABELLED.match(ln.text) and verbs_in(ln.text):
            # "Night before: rinse the rice and freeze it", and "Morning: …" right below
            cls, sure = "step", 0.7
        if (
            cls in ("ingredient", "note", "chatter", "meta")
            and following is not None
            and following.cls == "step"
            and ln.number is not None
            and following.line.number == ln.number + 1
            and (told_now := verbs_in(ln.text))
            and told_now[0][0] == 0
        ):
            # "① wash gently", and ② below is a step
            cls, sure = "step", 0.8
        if (
            cls == "ingredient"
            and ln.blank_before
            and following is not None
            and following.cls == "ingredient"
            and not following.line.blank_before
            and _HEADS_PART.match(ln.text.strip())
        ):
            # "Vegetable layer", and its things right below
            cls, sure = "section", 0.7
        unsure = cls in ("note", "chatter", "meta", "title") or (cls == "ingredient" and sure < SURE_NOTE)
        if unsure and out.title and way_of(ln.text) and not _MEASURED.match(ln.text):
            # "MICROWAVE (900 W)" alone on its line begins another way to cook it
            cls, sure = "section", 0.7
        if cls == "ingredient" and sure < SURE_NOTE and _BIDS.match(ln.text) and _does(ln):
            # "Boil the rice in 1½ cups water until"
            cls, sure = "step", 0.6
        if (
            cls == "ingredient"
            and sure < SURE_NOTE
            and not _MEASURED.search(ln.text)
            and _BIDS_SMALL.match(ln.text.lstrip("~ "))
            and (any(stretches(ln.text)) or len(verbs_in(ln.text)) > 1 or _IN_A_COOKER.search(ln.text))
        ):
            # "– soak overnight (min 4 h), drain"
            cls, sure = "step", 0.6
        if (
            cls == "ingredient"
            and sure < 0.5
            and out.classes
            and out.classes[-1][2] == "step"
            and following is not None
            and following.cls == "step"
            and not _MEASURED.search(ln.text)
        ):
            # between two steps, and nobody is sure of it
            cls, sure = "step", 0.6
        if (
            cls in ("chatter", "note")
            and sure < UNSURE_CHATTER
            and out.classes
            and out.classes[-1][2] in ("ingredient", "ingredients")
            and following is not None
            and following.cls == "step"
            and not ln.blank_before
            and "," in ln.text
            and len(ln.text.split()) <= MOST_OF_A_THING
            and ln.text.rstrip()[-1:] not in ".!?:"
            and not verbs_in(ln.text)
        ):
            # "Azafrán, pimentón, romero, sal", the last of the list
            cls, sure = "ingredients", 0.6
        if cls in ("chatter", "note") and ln.blank_before and not out.lines and _heads_the_list(ln, following):
            # "Carcass from one roast turkey", the first of the list
            cls, sure = "ingredient", 0.6
        if (
            cls in ("note", "chatter")
            and stepless
            and ln.index > last_listed >= 0
            and any(stretches(ln.text))
            and {"HEAT", "FRY", "REST", "ADD"} & set(pot_words.classes(ln.text))
        ):
            # nothing else tells what to do with the list: another tongue than the tagger's
            cls, sure = "step", 0.5
        if cls in ("section", "heading") and ln.marks and not ln.text.endswith(":") and _LINES_A_VESSEL.match(ln.text):
            # "• line the basket with a cloth", among bullets
            cls, sure = "step", 0.6
        if cls == "ingredient" and out.lines and any(stretches(ln.text)) and not _MEASURED.search(ln.text):
            told_first = verbs_in(ln.text)
            if told_first and told_first[0][0] == 0 and following is not None and following.cls == "step":
                # "Ngâm 20 phút, để ráo.", right above the first step
                cls, sure = "step", 0.6
        if (
            cls in ("section", "heading")
            and ln.marks
            and not ln.text.endswith(":")
            and out.classes
            and out.classes[-1][2] in ("ingredient", "ingredients")
            and tagged[ln.index - 1].line.marks == ln.marks
            and following is not None
            and following.cls == "step"
            and not _HEAD_ONLY.match(ln.text)
        ):
            # "• choy sum", the last of a list
            cls, sure = "ingredient", 0.6
        if cls == "ingredient" and out.lines and _DOES_TO_IT.match(ln.text):
            # "rinse it. 3 and 3/4 cups water."
            cls, sure = "step", 0.7
        if cls in ("note", "chatter") and out.steps and _LEAVES_IT.match(ln.text) and any(stretches(ln.text)):
            # "Odstaw 10 minut.", under the last step
            cls, sure = "step", 0.6
        if cls == "ingredient" and _AND.match(ln.text):
            cls, sure = "heading", 0.9
        before = out.steps[-1] if out.steps else None
        if (
            cls in ("note", "chatter", "meta", "ingredient", "section", "servings", "heading")
            and before is not None
            and before.number
            and ln.number == before.number + 1
            and before.first >= ln.index - 2
        ):
            # the numbers of the steps go on
            cls, sure = "step", 0.8
        if (
            cls in ("note", "chatter", "meta", "servings")
            and before is not None
            and before.first == ln.index - 1
            and not ln.blank_before
            and ln.text[:1].islower()
            and (
                before.text[:1].isupper()
                or (_NUMBER_LAST.search(before.text.rstrip()[-24:]) and _ITS_MINUTES.match(ln.text))
            )
            and len(tagged[ln.index - 1].line.text) > 38
            and before.text.rstrip()[-1:] not in ".!?:)"
        ):
            # a sentence cut by the width of a page goes on
            cls, sure = "step", 0.8
        if (
            cls in ("heading", "section", "servings", "meta")
            and (m := _SO_MANY.match(ln.text.strip()))
            and any(_names_food(w) for w in (m["what"].lower(), *m["what"].lower().split()))
        ):
            # "4 eggs" heads nothing
            cls, sure = "ingredient", 0.8
        if (
            cls == "servings"
            and _SO_MANY.match(ln.text.strip())
            and not _EATERS.search(ln.text)
            and any(_EATERS.search(t.line.text) for t in tagged[: ln.index])
        ):
            # "8 belles tomates", under "Pour 4 personnes": who eats is told
            cls, sure = "ingredient", 0.6
        weighed = _WEIGHED.match(ln.text) if cls in ("servings", "meta") and len(ln.text.split()) <= 5 else None
        if weighed and any(_names_food(w) for w in ln.text[weighed.end() :].lower().split()):
            # "500g mince", before the rest of the list
            cls, sure = "ingredient", 0.7
        if cls == "step" and not out.steps and _BAGS_OF_IT.fullmatch(ln.text.strip()):
            # "4 bags boil-in-the-bag rice (125 g each)" boils nothing yet
            cls, sure = "ingredient", 0.8
        if cls == "step" and not out.steps and out.lines and _TO_SERVE_ALONE.fullmatch(ln.text.strip()):
            # "Milk and brown sugar to serve": the last of the list
            cls, sure = "ingredient", 0.8
        if cls in ("ingredient", "ingredients", "step") and _RATIO.match(ln.text.strip()):
            # "Medida: 1 taza de arroz = 2 de agua" tells how much to one, not what goes in
            cls, sure = "note", 0.8
        if (
            cls == "step"
            and not out.steps
            and out.classes
            and out.classes[-1][2] == "ingredient"
            and not ln.blank_before
            and following is not None
            and following.line.blank_before
            and _only_foods(ln.text)
        ):
            # "dry fish, salt, oil", the last of a list
            cls, sure = "ingredients", 0.7
        if (
            cls in ("servings", "heading", "chatter")
            and out.steps
            and following is None
            and _LAST_DEED.fullmatch(ln.text)
        ):
            # "Build bowls." at the end
            cls, sure = "step", 0.6
        if cls in ("ingredient", "ingredients", "note") and _RINSED_SO_OFTEN.fullmatch(ln.text.strip()):
            # "rinse 3 times", under the list: no three of anything
            cls, sure = "step", 0.7
        if cls != "heading" and out.lines and _HOW.fullmatch(ln.text.strip()):
            cls, sure = "heading", 0.9
        if cls in ("ingredient", "ingredients") and (_DEED_TILL.match(ln.text) or _THEN_DONE.search(ln.text)):
            # "fry onion in 2 tbsp ghee till golden", "2 tbsp oil + 1 onion, fry till brown", "grind 1 bunch coriander, 2 chillies"
            cls, sure = "step", 0.7
        if cls in ("ingredient", "ingredients", "title", "note") and _PAGE_TOOL.match(ln.text.strip()):
            cls, sure = "chatter", 0.9
        if cls in ("title", "ingredient", "step") and _EDITED.match(ln.text):
            # "EDIT: since people asked"
            cls, sure = "chatter", 0.9
        if cls == "title" and ln.text.count("|") > 1 and _NAVIGATES.search(ln.text):
            # "HOME | TIFFIN | SWEETS | CONTACT"
            cls, sure = "chatter", 0.9
        if cls in ("title", "section", "heading") and (_QUOTED_MAIL.match(ln.text) or _GREETS.fullmatch(ln.text)):
            cls, sure = "chatter", 0.95
        if cls in ("ingredient", "ingredients", "title", "note", "section", "step") and _POSTED.match(ln.text):
            # "posted by …", "@olya here you go:": who speaks, and to whom
            cls, sure = "chatter", 0.9
        if cls == "title" and _ASIDE_WHOLE.fullmatch(ln.text.strip()) and tagged[0].line.index < ln.index:
            # "(sent home with the children)" stands under a title
            cls, sure = "chatter", 0.7
        if cls == "ingredient" and not out.lines and _COMES_OUT.match(ln.text.strip()):
            # "about 50 pieces", before anything goes in
            cls, sure = "meta", 0.8
        if cls in ("heading", "section") and not ln.blank_before and not ln.marks and out.classes:
            # "butter", the last of a list, heads nothing; nor does "Oil" that nobody is sure of
            heads = following is not None and not following.line.blank_before and _MEASURED.match(following.line.text)
            name = ln.text if sure > UNSURE_HEADING or heads else ln.text.lower()
            if out.classes[-1][2] == "ingredient" and _names_food(name):
                cls, sure = "ingredient", 0.7
        if (
            cls in ("ingredient", "title", "note", "meta")
            and out.classes
            and _BRACKETED_HEAD.fullmatch(ln.text.strip())
        ):
            # "【Topping】" between things
            cls, sure = "section", 0.9
        if cls in ("meta", "servings", "chatter", "note") and not out.steps and _foods_counted(ln.text):
            # "Tomatoes 8 large, peppers 4"
            cls, sure = "ingredients" if "," in ln.text else "ingredient", 0.8
        if (
            cls in ("step", "note", "chatter", "section")
            and not out.steps
            and out.lines
            and _LIQUID_ALONE.fullmatch(ln.text.strip())
        ):
            # "boiling water ~1.2 l" boils nothing: it is the last of the list
            cls, sure = "ingredient", 0.8
        if cls not in ("meta", "servings") and _only_times(ln.text):
            cls, sure = "meta", 0.9
        if keyed := _KEYED.match(ln.text):
            # "prepTime: 10 minutes", "recipeYield: 6", copied out of a page's data
            cls, sure = "servings" if keyed["yield"] else "meta", 0.9
        if cls in ("section", "heading", "meta") and _OVEN_TEMP.match(ln.text):
            cls, sure = "step", 0.9
        elif cls in ("section", "heading") and _TIME_ALONE.fullmatch(ln.text.strip()):
            cls, sure = "meta", 0.9
        if cls in ("ingredient", "ingredients", "note", "chatter", "meta") and out.lines and _OVEN_ON.match(ln.text):
            # "Oven 200C / 180 fan." stands before the first step, and goes into nothing
            cls, sure = "step", 0.8
        if (
            cls in ("note", "chatter")
            and sure < DOUBTFUL_NOTE
            and ln.number is not None
            and any(stretches(ln.text))
            and not _ANOTHER_TIME.search(ln.text)
        ):
            # "1. Full power 5 minutes, half power 12.", under the name of another way
            cls, sure = "step", 0.6
        if cls in ("step", "ingredient", "note", "section") and _FOR_SO_MANY.fullmatch(ln.text.strip()):
            # "serves 4", under the last step
            cls, sure = "servings", 0.9
        if (
            cls in ("ingredient", "ingredients")
            and (m := _ARROW.search(ln.text))
            and any(stretches(ln.text[m.end() :]))
        ):
            # "1½ c rice, 2¾ c stock → 9x13, foil, 1 hr": what is done with it is told beside it
            cls, sure = "step", 0.7
        if ln.index in acting and cls not in ("servings", "meta", "step"):
            # "2 cups rice | stir, 2 min": what is done with it is told in the next cell
            cls, sure = "step", 0.7
        if cls in ("heading", "section", "ingredient", "title") and _COLUMNS.fullmatch(ln.text.strip()):
            # "Qty  Unit  Item" heads the columns of a table, and is no part of the dish
            cls, sure = "heading", 0.9
        if cls in ("note", "chatter") and out.steps and (_a_dish(ln.text) or _a_part(ln.text)) and _does(ln):
            # "sambal: 10 dried chillies, 3 shallots - blend, fry in ¼ cup oil": a dish beside it, told in one line
            cls, sure = "step", 0.6
        if cls == "step" and _TIP.match(ln.text):
            cls, sure = "note", 0.8
        if cls in ("ingredient", "section") and out.title is None and ln.bold and _NAMES_A_DISH.fullmatch(ln.text):
            # "**Brown rice salad (4)**", under the table of its things
            cls, sure = "title", 0.7
        if ln.index in numbered:
            # "2 ROAST CARROTS", over what is to be done
            cls, sure = "section", 0.9
        if cls == "ingredient" and _NAMED_NUMBERS.fullmatch(ln.text.strip()):
            # "Tomatoes 8 large, peppers 4"
            cls, sure = "ingredients", 0.7
        tags = _HASHTAGS.fullmatch(told[ln.start : ln.end].strip())
        if tags and (ln.heading or tags[0].count("#") > 1):
            # "#onepot #dinnerideas" are for who looks for them
            cls, sure = "chatter", 0.97
        if ln.index in talk:
            # whatever it tells, it is somebody's word about the recipe
            cls, sure = "chatter", 0.97
        if cls == "step" and len(out.steps) > 1 and out.lines and _SAID_BESIDE.match(ln.text):
            # "1 part rice : 2½ parts water", of the packet
            cls, sure = "note", 0.8
        if (
            cls == "step"
            and sure < SURE_NOTE
            and out.lines
            and last
            and _SOMEBODY_SAYS.match(ln.text)
            and not _SOMEBODY.match(last.text)
        ):
            # "Mavis, Bemidji: I use 1 cup": in a chat all of it is said so
            cls, sure = "note", 0.7
        before_it = tagged[ln.index - 1].line.text if ln.index else ""
        asked = (
            _HOW_MUCH.fullmatch(ln.text.strip()) is not None
            and following is not None
            and _SO_MUCH_SAID.match(following.line.text) is not None
        )
        told_it = _HOW_MUCH.fullmatch(before_it.strip()) is not None and _SO_MUCH_SAID.match(ln.text) is not None
        if asked or told_it:
            cls, sure = "ingredient", 0.8
        elif _HOW_MANY_EAT.search(before_it) and before_it.rstrip()[-1:] == "?" and _JUST_A_NUMBER.fullmatch(ln.text):
            cls, sure = "servings", 0.8
        elif cls in ("ingredient", "step") and sure < 1.0 and _ASKS_BACK.fullmatch(ln.text.strip()):
            # "which ones", "how much water?": nobody cooks by it
            cls, sure = "chatter", 0.7
        answers = _SAYS_YES.fullmatch(ln.text.strip())
        answered = following is not None and _SAYS_YES.fullmatch(following.line.text.strip())
        if answers or (cls == "ingredient" and answered and _ASKS.fullmatch(ln.text.strip())):
            # "salt?" "nope", in a chat
            cls, sure = "chatter", 0.7
        if (
            cls in ("heading", "section")
            and out.lines
            and not out.steps
            and out.classes[-1][2] in ("ingredient", "ingredients")
            and following is not None
            and following.cls == "step"
            and ln.text.strip().lower() in foods()
        ):
            # "Soy", alone under the list
            cls, sure = "ingredient", 0.6
        if cls == "step" and ln.index in announced:
            # "How to make it: saute the onion, toast the rice, simmer, rest.", above list and method
            cls, sure = "chatter", 0.6
        if cls == "title" and not ln.text.strip():
            # a heading's mark with nothing behind it
            cls, sure = "chatter", 0.9
        if said and shown in said:
            cls, sure = said[shown], 1.0
        out.classes.append((ln.start, ln.end, cls, sure))
        piece = Piece(told[ln.start : ln.end], Span(ln.start, ln.end), section, ln.number, ln.index, sure)
        if cls == "title" and out.title is None:
            out.title = _title(piece)
        elif cls == "title" and out.steps and out.lines and following and following.cls.startswith("ingredient"):
            # a second dish with its own list, under the first one's steps
            section, heads_steps = piece.text.strip(), True
            out.headings.append(piece)
        elif cls in ("heading", "section"):
            words = piece.text.strip()
            plain_head = _HEAD_ONLY.match(piece.text) or _COLUMNS.fullmatch(words) or _HOW.fullmatch(words)
            named = re.search(r"[^\W\d_]", piece.text) and not (cls == "heading" and plain_head)
            section = "" if not named else piece.text.rstrip(" :—–-").strip()
            # one that the tagger took for a thing itself stands behind the last of them too
            heads_steps = ln.index >= last_listed
            out.headings.append(piece)
        elif cls in ("ingredient", "ingredients"):
            if m := _LIST_IS.match(piece.text):
                # "Ingredients: 500 g rice, …"
                piece = replace(
                    piece, text=piece.text[m.end() :], span=Span(piece.span.start + m.end(), piece.span.end)
                )
            elif m := _PART_IS.match(piece.text) or (_FOOD_HEADS.match(piece.text) if rice_heads else None):
                # "For the sauce: 2 tbsp oil, 4 cloves garlic": the part's name, and its things on the same line
                end = piece.span.start + m.end("part")
                out.headings.append(Piece(m["part"], Span(piece.span.start, end), piece.section, None, ln.index))
                piece = replace(
                    piece,
                    text=piece.text[m.end() :],
                    span=Span(piece.span.start + m.end(), piece.span.end),
                    section=m["part"].strip(),
                )
            if m := _WHISTLES_BEHIND.search(piece.text):
                # "rice 1 cup, water 3½ cups - 5 whistles": the list's last word is a step
                at = piece.span.start + m.start("do")
                end = piece.span.start + m.end("do")
                out.steps.append(Piece(m["do"], Span(at, end), piece.section, None, ln.index, sure))
                cut = m.start()
                piece = replace(piece, text=piece.text[:cut], span=Span(piece.span.start, piece.span.start + cut))
            above = out.lines[-1][0] if out.lines else None
            if above is not None and (told_it or _goes_on_ingredient(piece, ln, above, tagged[ln.index - 1].line)):
                _join(above, piece, told)
                # where the page cut it stays seen: blanks there part no columns
                over = told[above.span.start : above.span.end]
                above.text = "".join(
                    "\n" if a == "\n" and b == " " else b for a, b in zip(over, above.text, strict=True)
                )
            else:
                out.lines.append((piece, cls == "ingredients"))
        elif cls == "step":
            if not out.steps and ln.index > last_listed:
                # a heading among the ingredients heads no step where all steps come after all of them
                section = piece.section = section if heads_steps or way_of(section) else ""
            near = [x.line for x in tagged[max(0, ln.index - WRAPS) : ln.index + WRAPS]]
            flows = ln.index in prose and ln.index - 1 in prose
            if before is not None and (
                flows or _goes_on(piece, ln, before, tagged[ln.index - 1].line, small, near, written)
            ):
                _join(before, piece, told)
                before.first = ln.index
            else:
                out.steps += _counted(piece)
        elif cls in ("servings", "meta", "title"):
            out.headings.append(piece)
        else:
            out.notes.append(piece)
    _find_servings(out, tagged)
    if out.title is None:
        out.title = _untitled([t.line for t in tagged[:4]], [c for _, _, c, _ in out.classes]) or _heads_all(out)
    return out


def _heads_all(out: Structure) -> Piece | None:
    """Of a text without a title the one section that its whole list stands under: "Shared to … / CHICKEN BOG / 1 chicken". It heads no part then."""
    of = {piece.section for piece, _ in out.lines}
    head = next((h for h in out.headings if h.text.strip(" :") in of), None)
    if head is None or len(of) > 1 or _PART_IS.match(f"{head.text}: 1") or _HEAD_ONLY.match(head.text):
        return None
    for piece in (*(p for p, _ in out.lines), *out.steps):
        piece.section = "" if piece.section == head.text.strip(" :") else piece.section
    return _title(head)


_MAIL = quick(
    r"(?:from|to|cc|date|sent|hi|hey|hello|dear|ok|so|jump|print|home|menu|q|a|today|yesterday|new recording|recording|voice (?:note|memo)|transcript)\b|\[|\W*https?:|\d",
    re.I,
)
_SUBJECT = lazy(r"(?:subject|subj|re)\s*:\s*\S", re.I)


def _untitled(lines: Sequence[TextLine], classes: Sequence[str]) -> Piece | None:
    """Of a text in which no line was taken for the title: what a mail is about, or a short first line that is nothing else."""
    for ln, cls in zip(lines, classes, strict=False):
        short = (
            ln.index == 0
            and not ln.row
            and "|" not in ln.text
            and cls in ("meta", "chatter", "note", "heading", "section")
            and 1 < len(ln.text.split()) <= 14
        )
        told = (
            short
            and not _MAIL.match(ln.text)
            and not _POSTED.match(ln.text)
            and not _MEASURED.match(ln.text)
            and not _EDITED.match(ln.text)
            and ln.text[-1:] not in ".:,;"
        )
        if told and not _HEAD_ONLY.match(ln.text) or _SUBJECT.match(ln.text):
            return _title(Piece(ln.text, Span(ln.start, ln.end), first=ln.index))
        if cls == "servings" and (serves := _DISH_SERVES.fullmatch(ln.text.strip())):
            # "Spanish-style rice (serves 3-4)"
            at = ln.start + len(ln.text) - len(ln.text.lstrip())
            return _title(Piece(serves["dish"], Span(at, at + len(serves["dish"])), first=ln.index))
    for ln, cls in zip(lines, classes, strict=False):
        if cls == "chatter" and (asked := _ASKED_FOR.search(ln.text)):
            at = ln.start + asked.start("dish")
            return _title(Piece(asked["dish"], Span(at, at + len(asked["dish"])), first=ln.index))
    for ln in lines[:1]:
        opened = _TELLS_OF.match(ln.text)
        if opened and kind_of_rice(opened["dish"]) is None:
            at = ln.start + opened.start("dish")
            return _title(Piece(opened["dish"], Span(at, at + len(opened["dish"])), first=ln.index))
    return None


_DISH_SERVES = lazy(
    r"(?P<dish>(?!serv|makes|feeds|yield)[^\W\d_][^()\d:]{3,60}?)\s*\((?:serves|for|feeds|makes) [^()]{1,20}\)", re.I
)
# "how do you do the red rice. The tomato one": what a chat is about
_ASKED_FOR = lazy(
    r"\b(?:how|recipe|make|want|send|promised|here'?s|asked for)\b[^.?!]{0,28}?\b(?:the|your|ur|that|my|(?:mum|mom|mam|nan|nana|gran|granny|grandma|grandad|dad|auntie?|aunty)'?s)\s+(?P<dish>[^\W\d_][\w'-]*(?: [\w'-]+){0,3}?)(?: (?:recipe|from|you|we|i|like|as)\b[^.?!]{0,30})?\s*(?:[.?!,]|$)",
    re.I,
)
# "ok so coconut rice: one tin coconut milk, …", "How I do tomato rice: fry an onion": what a message tells, all in one line
_TELLS_OF = lazy(
    r"(?:(?:ok(?:ay)?|so|right|well|hi|hey|hello|here goes|here you go)[\s,!.:–—-]+){0,3}(?:(?:here(?:'s| is)|this is|how (?:i|we) (?:do|make|cook)|for|to make|recipe for) )?(?:(?:the|my|our|your|(?:mum|mom|gran|nan|dad)'s) )?"
    r"(?P<dish>(?!(?:the|my|our|your|a|an|of|any|some|more|plain|cooked|uncooked|raw|dry|leftover|washed|rinsed|white|good|cups?|and|for|how|to|with)\b)[^\W\d_]{3,}(?: (?:and |& )?(?!(?:the|a|an|of|any|some|cooked|raw|dry)\b)[^\W\d_]{3,}){0,2} (?:rice|pilaf|pilau|risotto))(?::| [–—-])\s+(?=\S)(?=.{40})",
    re.I,
)


_COMES_OF = lazy(
    r"[^\W\d]+(?: [^\W\d]+){0,2} (?:from|of|off|left (?:over )?from) (?:an?|one|the|your|last|yesterday's)\b[^.!?:]*",
    re.I,
)


def _heads_the_list(ln: TextLine, following: tagger.Tagged | None) -> bool:
    """A thing without an amount, right above a line with one: "Carcass from one roast turkey"."""
    return (
        following is not None
        and following.cls == "ingredient"
        and not following.line.blank_before
        and _MEASURED.match(following.line.text) is not None
        and len(ln.text.split()) <= MOST_OF_A_THING
        and _COMES_OF.fullmatch(ln.text.strip()) is not None
        and any(_names_food(w) for w in ln.text.lower().split())
        and not find_grains(ln.text)
    )


def _names_food(text: str) -> bool:
    """A food's name alone, in small letters: "butter", "bay leaves"."""
    said = text.strip()
    return (
        len(said.split()) <= 2 and said.islower() and said[-1].isalpha() and re.sub(r"(?<=[^s])s$", "", said) in foods()
    )


_SO_MANY = lazy(
    rf"(?:{RANGE_PATTERN}|(?:an? |good |big |large )*(?:pinch|handful|knob|splash|dash|sprig|bunch|few|some|little)(?:e?s)?(?: of)?)\s+(?:(?:large|small|medium|ripe|big) )?(?P<what>[^\W\d_]+(?: [^\W\d_]+)?)(?:, (?:[^\W\d_]+ ){{0,2}}[^\W\d_]+)?$",
    re.I,
)
_BAGS_OF_IT = lazy(
    rf"{RANGE_PATTERN} (?:bags?|sachets?|pouch(?:es)?|packets?)(?: of)? (?:[^\W\d]+ ){{0,3}}(?:boil[- ]in[- ](?:the[- ])?bag )?(?:[^\W\d]+ ){{0,3}}rice\b[^.;!?:]*",
    re.I,
)
_TO_SERVE_ALONE = lazy(
    r"(?!serve|add|stir|put|spoon|pour|top|warm|heat|make)[^\W\d]+(?: [^\W\d]+){0,5},? to (?:serve|garnish|finish)",
    re.I,
)
_EATERS = lazy(rf"\d\s*{_KIND}{_PEOPLE}", re.I)
_WEIGHED = lazy(rf"{RANGE_PATTERN}\s*(?:g|kg|ml|l|oz|lbs?|cups?|tbsps?|tsps?)\b\.?\s+(?=[^\W\d])", re.I)
_POSTED = lazy(
    r"(?:posted|submitted|uploaded|published|shared) (?:by|on|to|with|in)\b|[\w.-]+ \(posts?: ?[\d,]+\)$|(?:mon|tue|wed|thu|fri|sat|sun)\w*,? \d{1,2}:\d{2}(?: ?[ap]m)?$|by @?\w+ » |@[a-z]\w*\b[^\d]{0,60}(?:\d[^\d]{0,40})?:?$",
    re.I,
)
_NAMES_A_DISH = lazy(r"[A-Z][^\d:.,;]{6,50}(?: \(\d{1,2}\))?", re.A)
_LEAVES_IT = lazy(
    r"(?:odstaw|laat|deja|dejar|lascia|laisse[rz]?|låt|lad|la|diamkan|biarkan|hayaan|deixe|ruhen) |.*\b(?:demle|dinlen)\w+",
    re.I,
)
# rows of a table that tell minutes in their last cell, and it is one of things and what is done with them
LEAST_ACTING = 2


def _acting_rows(tagged: Sequence[tagger.Tagged]) -> frozenset[int]:
    """The rows of a table of things and what is done with them: "1 onion, 2 ribs celery | soften, 8 min"."""
    rows = [t.line for t in tagged if t.line.row and t.line.cells == 1]
    told = [ln for ln in rows if any(stretches(last := ln.text.rpartition("|")[2])) and verbs_in(last)]
    if len(told) < LEAST_ACTING or not any(_MEASURED.search(ln.text.partition("|")[0]) for ln in rows):
        return frozenset()
    return frozenset(
        ln.index
        for ln in rows
        if re.search(r"[^\W\d_]", ln.text) and not _COLUMNS.fullmatch(ln.text.strip()) and not ln.number
    )


_DEED_TILL = lazy(
    r"[\s•*–-]*(?:fry|boil|saut[eé]|soften|brown|melt|simmer|cook|bring|stir|rinse|wash|sweat|toast|roast) (?!in\b|spray|bag|chicken|meat|rice:)(?:the |your |an? |some )?[^\W\d_][^.;:]{2,60}? (?:till|until)\b",
    re.I,
)
_HOW = lazy(r"(?:the )?how(?: to| it'?s done)?\s*[:.!]?", re.I)
_THEN_DONE = quick(
    r",\s*(?:then |and )?(?:fry|saut[eé]|cook|boil|simmer|stir|roast|brown|melt|soften)\b(?: (?:it|them|all|well|this|together|on (?:low|medium|high)))*,? (?:till|until)\b"
    r"|^\W*(?:grind|blend|blitz|pour|heat) (?:\d|an? |the |some )",
    re.I,
)
_DOES_TO_IT = quick(r"(?:rinse|wash|soak|drain|boil|cook|cover|stir|taste) (?:it|them|everything|all)\b", re.I)
_ASIDE_WHOLE = lazy(r"\([^()]*\)\W*")
# what a page shows beside its list
_NAVIGATES = quick(r"\b(?:home|contact|about(?: us)?|log ?in|sign up|subscribe|search|menu|shop)\b", re.I)
_PAGE_TOOL = lazy(
    r"(?:(?:US customary|metric|imperial|cook mode|scale|[123]x|units?)[\s|/–—-]*)+$|(?:prevent your screen|keep (?:the )?screen)\b",
    re.I,
)
_COMES_OUT = lazy(
    r"(?:about |approx\.? |around |makes |~)?\d{1,3}(?:\s?[-–]\s?\d{1,3})? (?:pieces|rolls|parcels|balls|patties|dolmades|dolmas|leaves stuffed|croquettes|cakes)\s*$",
    re.I,
)
DOUBTFUL_NOTE = 0.6
_FOR_SO_MANY = quick(
    # "4 raciones", "serves 4", each alone on its line
    rf"\(?\d{{1,2}}(?:\s?[-–]\s?\d{{1,2}})?\s+(?:servings|people|persons|persone|personas|personnes|personen|porzioni|porciones|raciones|portions|portionen|osób|osoby|pessoas|personer|kişilik|orang|porsi|porsiyon|porções|porcji|porcija|porties|portioner|porsjoner|adag|főre|log|jan|watu|log ke liye|pers\.?)\W*|(?:serves|feeds|for|per|para|pour|für|voor|till|til|na|untuk|buat)\s+(?:about\s+)?\d{{1,2}}(?:\s?[-–]\s?\d{{1,2}})?(?:\s+{_PEOPLE})?\W*",
    re.I,
)
# an arrow as written, or as the plain text has it
_ARROW = lazy(r"\s(?:->|=>|→|;)\s")
_HEADS_PART = lazy(
    r"(?:(?:for|to) (?:the )?)?(?:[^\W\d]+ ){0,3}(?:layer|layers|layering|assembly|filling|topping|toppings|dressing|marinade|sauce|base|garnish|tempering|part|to (?:serve|finish|layer|assemble|garnish|top))\s*:?$|to (?:serve|finish|layer|assemble|garnish|top|cook)\s*:?$",
    re.I,
)
_PART_ALONE = quick(
    r"(?:for (?:the )?|the )?(?:bowls?|sauce|dressing|toppings?|marinade|filling|base|garnish|dip|glaze|rub|to serve|serving)\s*:?",
    re.I,
)
_NAMES_PART = lazy(r"[^\W\d_]+(?: [^\W\d_]+){0,2}")
# what is said of another day, or of what one may do as well
_ANOTHER_TIME = quick(
    r"\b(?:store|keeps?|freez\w*|fridge|refrigerat\w*|re-?heat\w*|left-?overs?|days?|if (?:you|desired|liked)|instead|substitut\w*|optional|can (?:also )?be|variations?|tips?|kcal)\b",
    re.I,
)
_PART_IS = quick(
    rf"(?P<part>(?:(?:for|to) (?:the )?(?:[^\W\d_][\w'’-]* ?){{1,4}}|(?:[^\W\d_]+ ){{0,2}}(?:filling|toppings?|dressing|marinade|sauce|garnish|tempering|vinaigrette|base|layer|dip|glaze|salsa|raita|slaw|rub)))\s*:\s+(?!{RANGE_PATTERN}\s*(?:[^\W\d_]+\.?)?\s*$)(?=\S)",
    re.I,
)
# "RICE: 2 c. …, 3 c. water" in one line of a text, and "BEANS: 1 lb …, 8 c. water" in another
_RICE_HEADS = lazy(r"^\W*(?:the )?rice\s?(?::|\s[-–—])\s", re.I | re.M)
_FOOD_HEADS = quick(
    rf"(?P<part>(?:[^\W\d_]+ )?(?:{'|'.join(THINGS[k] for k in ('meat', 'pulse', 'veg'))}))\s?:\s+(?=(?:\d|[½¼¾⅓⅔])[^,]*,)",
    re.I,
)
_NAMED_PART = lazy(
    r"(?!(?:notes?|tips?|storage|nutrition|ps|source|serves?|yield)\b)[^\W\d_][^\W\d_ ]*(?: [^\W\d_]+){0,2}: ", re.I
)
_STANDS_NOW = lazy(
    rf"(?:then )?(?:let (?:it )?)?(?:rest|stand|leave|cover)\b[^.;!?]{{0,40}}?\b{RANGE_PATTERN}\s?min", re.I
)
_TIP = lazy(r"(?:tips?|notes?|nb|p\.?s\.?)\s*[:|–—-]", re.I)
_LABEL = lazy(r"[^\W\d_]+(?: [^\W\d_]+){0,2}\s?[:–—]\s")
_SO_MUCH = lazy(rf"{RANGE_PATTERN}\s*(?!(?:min|h|hr|hour|day|week|month|sec|w|kcal)\w*\b)[^\W\d_]+", re.I)


def _a_dish(text: str) -> bool:
    """Is it a name, and three amounts or more of what goes into it? Advice, and another way to cook the same, is none."""
    m = _LABEL.match(text)
    if m is None or _TIP.match(text) or _ASIDE_LEAD.match(text) or way_of(m[0].strip(" :–—")):
        return False
    listed = re.split(r"[.!?]\s", text[m.end() : m.end() + 200])[0]
    return listed.count(",") > 1 and len(_SO_MUCH.findall(listed)) >= 3


def _a_part(text: str) -> bool:
    """ "Dal: pressure cook the dal with 2 cups water": a food's name, and at once what is done with it."""
    m = _LABEL.match(text)
    if m is None or _TIP.match(text) or _ASIDE_LEAD.match(text) or way_of(m[0].strip(" :–—")):
        return False
    verbs = verbs_in(text[m.end() : m.end() + 24])
    named = re.sub(r"(?<=[^s])s$", "", m[0].rstrip(" :–—").split()[-1].lower())
    return named in foods() and bool(verbs) and not text[m.end() : m.end() + verbs[0][0]].count(" ") > 1


_LABELLED = lazy(
    r"(?:(?:the |on the )?(?:night|evening|day|morning)(?: before| ahead)?|day (?:\d|one)|ahead(?: of time)?)\s*[:–—-]",
    re.I,
)
_LIST_IS = lazy(r"(?:ingredients?|ingr\.?|(?:what )?you(?:'ll| will)? need|needed)\s*:\s+(?=\S)", re.I)


LEAST_WITHOUT_STOPS = 6
UNSURE_CHATTER = 0.6
# the tagger knows few words of other tongues
DOUBTFUL_ABROAD = 0.97
HEAD_SURE = 0.9
LEAST_OF_A_STEP = 4
# of words, in a line that is one thing with its amount
MOST_OF_A_THING = 10


LEAST_SENTENCES = 4
# of the lines of wrapped prose, so many fill so much of the page
MOST_LINES, FILLED = 0.6, 0.8


def _written_out(text: str) -> bool:
    """Does the text stop its sentences and begin the next with a capital, mostly?"""
    begun = re.findall(r"[.!?]\s+([^\W\d_])", text)
    return len(begun) >= LEAST_SENTENCES and sum(c.isupper() for c in begun) > 0.8 * len(begun)


def _is_wrapped(lines: Sequence[TextLine]) -> bool:
    """Do most of these lines end where the page does, or is a word cut by it?"""
    if any(re.search(r"[^\W\d_]{2}-$", ln.text) for ln in lines):
        return True
    long = [len(ln.text) for ln in lines]
    return len(long) >= LEAST_SENTENCES and sum(n >= FILLED * max(long) for n in long) >= MOST_LINES * len(long)


_STOP_WITHIN = lazy(r"[.;!?]\s+[A-Z]")


def _running_prose(tagged: Sequence[tagger.Tagged]) -> frozenset[int]:
    """Lines of one paragraph that the page's edge broke: no stop ends them, a small letter or a figure begins the next, and sentences end within them."""
    out: set[int] = set()
    run: list[TextLine] = []
    # the line a paragraph begins with may be the last of the list above it
    mine = {t.line.index for t in tagged if t.cls in ("step", "meta")}
    for ln in [*(t.line for t in tagged), None]:
        flows = (
            bool(run)
            and ln is not None
            and not (ln.marks or ln.blank_before or ln.row or ln.number)
            and run[-1].text[-1:] not in ".!?:"
            and (ln.text[:1].islower() or ln.text[:1].isdigit())
        )
        if flows and ln is not None:
            run.append(ln)
            continue
        if len(run) >= LEAST_SENTENCES and _is_wrapped(run) and sum(bool(_STOP_WITHIN.search(x.text)) for x in run) > 1:
            out.update(x.index for x in (run if run[0].index in mine else run[1:]))
        run = [] if ln is None or ln.marks or ln.row else [ln]
    return frozenset(out)


def _all_small(lines: Sequence[TextLine]) -> bool:
    """Do most lines that begin a sentence (after a blank line, after a stop) begin with a small letter?"""
    begins = [
        ln.text[0]
        for i, ln in enumerate(lines)
        if ln.text[:1].isalpha() and (i == 0 or ln.blank_before or ln.marks or lines[i - 1].text[-1:] in ".!?:")
    ]
    if len(begins) >= 2 and sum(c.islower() for c in begins) > 0.5 * len(begins):
        return True
    # who ends no line with a stop ends a sentence with it
    starts = [ln.text[0] for ln in lines if ln.text[:1].isalpha()]
    stopped = any(ln.text.rstrip()[-1:] in ".!?" for ln in lines)
    if len(lines) >= LEAST_WITHOUT_STOPS and not stopped and sum(c.islower() for c in starts) > 0.6 * len(starts):
        return True
    # "saute leek til soft", "add rice", "simmer 25 min": every line bids, and none begins with a capital
    told = [ln.text for ln in lines if (v := verbs_in(ln.text[:40])) and v[0][0] == 0]
    return len(told) >= 2 and all(t[0].islower() for t in told)


def _numbered(tagged: list[tagger.Tagged]) -> list[tagger.Tagged]:
    """ "1 Heat the oil", "2 Stir in …": numbers without a stop are numbers of steps where they count on from one."""
    # "1 Blitz the peppers, tomatoes, garlic" reads like a list; "1 Onion, 2 Leeks" is one, where no step is counted so
    so = any(t.cls == "step" and BARE_NUMBER.match(t.line.text) for t in tagged)
    counted_too = ("step", "note", "ingredient", "ingredients") if so else ("step", "note", "ingredient")
    bare = [
        (i, m)
        for i, t in enumerate(tagged)
        if t.line.number is None
        and t.cls in counted_too
        # what is told in small letters counts only where it surely tells what to do
        and (m := BARE_NUMBER.match(t.line.text) or (SMALL_NUMBER.match(t.line.text) if t.cls == "step" else None))
    ]
    # "6 Spoon the rice over" measures nothing
    bare = [(i, m) for i, m in bare if tagged[i].cls == "step" or not _MEASURED.match(tagged[i].line.text)]
    # amounts of a list may look like it: the steps' own count is the last that begins at one
    ones = [k for k, (_, m) in enumerate(bare) if m["n"] == "1"]
    bare = bare[ones[-1] :] if ones else []
    counted: list[tuple[int, re.Match[str]]] = []
    for i, m in bare:
        # a page's number may stand between them
        if int(m["n"]) == len(counted) + 1:
            counted.append((i, m))
    if len(counted) < 2 or len(bare) - len(counted) > len(counted) // 3:
        return tagged
    bare = counted
    out = list(tagged)
    for i, m in bare:
        ln = out[i].line
        line = replace(ln, start=ln.start + m.end(), text=ln.text[m.end() :], number=int(m["n"]))
        out[i] = replace(out[i], line=line, cls="step" if out[i].cls != "step" else out[i].cls)
    return out


_PAGE = lazy(r"^(?:\d{1,3}\s{2,}(?P<a>\D{4,60})|(?P<b>\D{4,60}?)\s{2,}\d{1,3})$")


def _without_running_heads(tagged: list[tagger.Tagged]) -> list[tagger.Tagged]:
    """ "THE LITTLE BOOK      46", "47      THE LITTLE BOOK": what a book prints on each page with the page's number tells nothing."""
    heads = [(i, (m["a"] or m["b"]).strip()) for i, t in enumerate(tagged) if (m := _PAGE.match(t.line.text))]
    often = {name for name, n in Counter(name for _, name in heads).items() if n > 1}
    out = list(tagged)
    for i, name in heads:
        if name in often:
            out[i] = replace(out[i], cls="chatter", sure=1.0)
    return out


PRICE = lazy(r"\s*[$€£]\s?\d")
NUTRITION = quick(
    r"\b\d+ ?k?cal(?:ories)?\b|\b(?:calories|energy|total fat|fat|saturates|cholesterol|sodium|carb\w*|protein|fib(?:er|re)|sugars)\b:?\s*[<~]?\d+(?:\.\d+)?\s*(?:k?cal|kj|m?g|%)?|\b\d+(?:\.\d+)?\s?m?g (?:of )?(?:total fat|fat|sodium|carb\w*|protein|fib(?:er|re)|sugars)\b",
    re.I,
)
# what stands over what others say of it
_TALK_HEAD = lazy(
    r"\W*(?:\d+ )?(?:(?:guest ?book|reader|user|recent) )?(?:comments?|thoughts?|reviews?|replies|responses)(?: ?\(\d+\)| (?:on|to|about|so far)\b.*)?\W*|\W*(?:guest ?book|leave a (?:reply|comment|review))\b.{0,24}|what (?:others|readers|people) (?:say|said)\W*",
    re.I,
)
_SAID_BESIDE = lazy(
    rf"(?:use |take )?(?:1|one) part (?:of )?(?:the )?(?:[^\W\d_]+ ){{0,2}}rice\s*(?::|to|and|,|/)\s*{RANGE_PATTERN} ?(?:parts? )?",
    re.I,
)


def _talk(tagged: Sequence[tagger.Tagged]) -> frozenset[int]:
    """ "3 thoughts on …", "Comments (12)", behind the steps: what stands below is what others say, until another list or method begins."""
    cooked, talking, found = False, False, []
    for t in tagged:
        if cooked and _TALK_HEAD.fullmatch(t.line.text.strip()):
            talking = True
        elif talking and t.cls in ("heading", "section") and _BEGINS_PART.search(t.line.text):
            talking = False
        cooked = cooked or t.cls == "step"
        if talking:
            found.append(t.line.index)
    return frozenset(found)


# what a line of talk does with the pot
_POT_DEEDS = frozenset(("HEAT", "FRY", "ADD", "PRESS", "REST", "OFF", "STIR", "DRAIN", "COVER", "SOAK"))
# so few steps in so many lines of talk are no recipe yet
FEW_STEPS, MUCH_TALK, LEAST_DEEDS = 1, 4, 3
# so unsure a step may be talk
HARDLY = 0.5
# words of a message that tells one thing to do
MOST_OF_A_MESSAGE = 14
_OTHER_POT_ASKED = lazy(
    r"\b(?:nonstick|non-stick|pan|pot|kadai|kadhai|microwave|oven|cooker|stove|instant pot)\b[^?]{0,24}\?", re.I
)


def _thin(tagged: Sequence[tagger.Tagged]) -> dict[int, str]:
    """Of a chat in which next to nothing was taken for a step: the lines of talk with a number that do something with the pot are steps, up to a question about
    another pot; what was hardly taken for a step behind that is talk."""
    talk = [t for t in tagged if t.cls == "chatter" or (t.cls == "step" and t.sure < HARDLY)]
    steps = sum(t.cls == "step" for t in tagged if t not in talk)
    much = sum(t.cls == "chatter" for t in talk) >= MUCH_TALK
    if steps > FEW_STEPS or not much or any(t.cls == "ingredients" for t in tagged):
        return {}
    found: list[int] = []
    behind: list[int] = []
    for t in talk:
        if behind or _OTHER_POT_ASKED.search(t.line.text):
            behind.append(t.line.index)
            continue
        deeds = _POT_DEEDS & set(pot_words.classes(t.line.text))
        counted = re.search(r"\d|[½¼¾⅓⅔]", t.line.text) or "PRESS" in deeds
        if deeds and counted and "?" not in t.line.text and len(t.line.text.split()) <= MOST_OF_A_MESSAGE:
            found.append(t.line.index)
    return {**dict.fromkeys(found, "step"), **dict.fromkeys(behind, "chatter")} if len(found) >= LEAST_DEEDS else {}


_SOMEBODY = lazy(r"\W*(?:[A-Z][\w.'’]*)(?:,? [A-Z][\w.'’]*){0,2}\W{0,3}:")
_SOMEBODY_SAYS = lazy(_SOMEBODY.pattern + r"\s+(?:I|We|My|Mine|Ours|Made|Loved)\b")
_BEGINS_PART = lazy(r"\b(?:ingredients?|method|directions?|instructions?|steps|preparation)\b", re.I)
# what a page has in its margin, and how it counts there
_MARGIN = lazy(
    r"(?:blog )?archives?|labels?|categories|tags|topics|followers|blogroll|links|popular posts|recent (?:posts|comments)|about me|search(?: this blog)?|subscribe|share this|print",
    re.I,
)
_COUNTED_POSTS = lazy(r"[^\W\d_][\w '&-]{0,28} \(\d{1,4}\)")


def _without_margins(tagged: list[tagger.Tagged]) -> list[tagger.Tagged]:
    """ "Archive / March (4) / Labels / rice (19)": how often a page speaks of a thing is no amount of it."""
    out, margin = list(tagged), False
    for i, t in enumerate(tagged):
        said = t.line.text.strip(" :*•-–")
        margin = bool(_MARGIN.fullmatch(said)) or (margin and bool(_COUNTED_POSTS.fullmatch(said)))
        if margin:
            out[i] = replace(t, cls="chatter", sure=1.0)
    return out


def _does(ln: TextLine) -> bool:
    kinds = {k for _, k in verbs_in(ln.text)}
    first = re.match(r"[^\W\d_]+", ln.text)
    if first and first[0].lower() in _VERBS and kinds & {"cook", "boil"}:
        return True
    return len(ln.text.split()) > 4 and bool(kinds & {"cook", "boil", "fry", "add", "soak"})


_IN_A_COOKER = lazy(r"\b(?:rice[- ]?cooker|suihanki|magic ?com|instant pot|oven|microwave|pressure cooker)\b", re.I)
_BIDS_SMALL = quick(
    r"(?:soak|rinse|wash|drain|boil|cook|steam|simmer|bring|cover|heat|fry|bake|leave|let|stir|turn|switch|put|add|pour|tip)\b",
    re.I,
)
_LINES_A_VESSEL = quick(
    rf"(?:line|grease|oil|butter|warm|fill|take|set|stand) (?:the |an? |your )(?:[a-z]+ ){{0,2}}(?:{'|'.join(map(re.escape, VESSEL_WORDS))})\b",
    re.I,
)
_BIDS = lazy(r"[A-Z][a-z]+ (?:the|it|them|all|everything|in) ")
UNSURE_HEADING = 0.75
# a note surer than this is one, whatever it says
SURE_NOTE = 0.85


_ASIDE_LEAD = quick(
    r"(?:tips?|notes?|nb|ps|variation|variations|store|storage|leftovers?|keeps?|freez\w*|refrigerat\w*|make[- ]ahead|to (?:reheat|store|freeze|make ahead)|reheat\w*|if|you can|i |we |my |this|these|it |for a|serve|optional|nutrition)\b",
    re.I,
)


def _goes_on_cooking(ln: TextLine) -> bool:
    """Does the line begin with a verb of the stove and say how long?"""
    first = re.match(r"[^\W\d_]+", ln.text)
    if first is None or ln.blank_before or not any(stretches(ln.text)):
        return False
    # "Seal the pot with dough, 20 mins on a low flame. Let it rest 10 mins"
    works = len(verbs_in(ln.text)) >= 2 and not _ASIDE_LEAD.match(ln.text)
    return works or (first[0].lower() in _VERBS and _does(ln))


def _works_with(ln: TextLine, listed: Sequence[tuple[Piece, bool]]) -> bool:
    """Is it a sentence right below the steps that names two of the things listed? "Massage kale, divide among bowls with rice"."""
    if ln.blank_before or ln.text[-1:] not in ".!" or not ln.text[:1].isupper() or len(ln.text.split()) > 30:
        return False
    return _names_two(ln.text, listed)


def _tells_minutes(text: str) -> bool:
    """ "Butter the pot. Everything in. High 2½ hrs": several sentences with minutes among them, and no advice."""
    return len(sentences(text)) > 2 and any(stretches(text)) and not _ASIDE_LEAD.match(text)


def _names_two(text: str, listed: Sequence[tuple[Piece, bool]]) -> bool:
    """Does a text speak of two of the things listed?"""
    told = {w.removesuffix("s") for p, _ in listed for w in re.findall(r"[a-z]{3,}", p.text.lower())} & foods()
    return len({x for w in re.findall(r"[a-z]{3,}", text.lower()) if (x := w.removesuffix("s")) in told}) >= 2


def _only_foods(text: str) -> bool:
    """ "dry fish, salt, oil": two things or more, each of a word or three, and no more."""
    parts = [p.split() for p in text.strip().rstrip(".").split(",")]
    return len(parts) > 1 and all(0 < len(p) <= MOST_ONLY_WORDS and _names_food(p[-1].lower()) for p in parts)


# words of a thing that stands without an amount
MOST_ONLY_WORDS = 3
_RINSED_SO_OFTEN = lazy(
    r"(?:rinse|wash|drain)(?: (?:it|the \w+|rice|well))?,? (?:(?:\d|two|three|four|five)(?:-\d| or \d)? (?:times|x)|\dx|twice|well|until clear)\b[^\d]{0,20}",
    re.I,
)
_LAST_DEED = lazy(r"\W*(?:build|assemble|serve|slice|garnish|plate)(?: [^\W\d_]+){1,6}[.!]?\s*", re.I)
_FOR_THE = lazy(r"For the [^\W\d][\w ]{2,24}, (?P<v>[a-z]+)\b")


def _for_the_part(ln: TextLine) -> bool:
    """ "For the rice, bring the water to the boil …": the next part of the work."""
    m = _FOR_THE.match(ln.text)
    return bool(m and m["v"] in _VERBS and not ln.blank_before and any(stretches(ln.text)) and _does(ln))


def _title(piece: Piece) -> Piece:
    """The title without "Subject:" before it and "(serves 4)" behind it."""
    text, at = piece.text, piece.span.start
    if m := _JUNK_TITLE.match(text):
        text, at = text[m.end() :], at + m.end()
    if m := _HOW_TO_MAKE.fullmatch(text):
        text, at = m["dish"], at + m.start("dish")
    text = _ROUGH_TITLE.sub("", text).strip(" :•#|·–—-") or text
    if text.count("(") > text.count(")") and piece.text.rstrip().endswith(")"):
        # "Black rice (mum's, for 6)"
        text = text[: text.rindex("(")].rstrip() or text
    if text.count('"') % 2 or _QUOTED_WHOLE.fullmatch(text):
        # quotes around the whole of it, or half a pair
        text = text.strip("\"'") or text
    at = at + max(0, piece.text[at - piece.span.start :].find(text))
    return Piece(text, Span(at, at + len(text)))


# "aunty how do u make the lemon rice again?"
_HOW_TO_MAKE = lazy(
    r"(?:[^\W\d]+[ ,]+){0,3}how (?:do|did|does|would|should|d') ?(?:you|u|ya|we|i|she|he|mum|nan) (?:make|cook|do) (?:the|your|ur|that|this|my|her|his) (?P<dish>[^?]{3,50}?)(?: again| please| pls| plz)*[ ?!]*",
    re.I,
)
_QUOTED_WHOLE = lazy(r"(?:\"[^\"]*\"|'[^']*')")


# a line so much shorter than its page was ended, not cut
ROOM = 0.85
# lines on either side that show how wide a page is
WRAPS = 5


# no line of its own begins with these
_JOINING = (
    "and",
    "or",
    "until",
    "till",
    "with",
    "for",
    "of",
    "to",
    "by",
    "minutes",
    "mins",
    "min",
    "minutes.",
    "min.",
    "mins.",
)


def _had_room(above: TextLine, word: str, near: Sequence[TextLine]) -> bool:
    """Would the next word have stood on the line above? Then that line was ended, not cut by the page. A page is as wide as two of its lines at least."""
    mine = len(above.text)
    wide = sorted((len(x.text) for x in near), reverse=True)
    # one line that runs over is not the page: another is nearly as wide
    page = next((a for a, b in zip(wide, wide[1:], strict=False) if b >= ROOM * a), 0)
    return mine + 1 + len(word) < ROOM * page or page < ROOM * mine


def _goes_on(
    piece: Piece, ln: TextLine, before: Piece, above: TextLine, small: bool, near: Sequence[TextLine], written: bool
) -> bool:
    """Is this line the rest of the step above, cut by the width of a page?"""
    if (
        ln.number is not None
        or ln.marks.strip("> ")
        or ln.row
        or ln.blank_before
        or ln.bold
        or before.first != ln.index - 1
    ):
        return False
    if before.section != piece.section:
        return False
    end = before.text.rstrip()
    starts = piece.text[:1]
    first = piece.text.split(" ", 1)[0]
    room = _had_room(above, first, near) and first not in _JOINING
    if written and starts.islower() and end[-1:] not in ".!?:;)":
        # "but not take / colour. Pour to them": who begins each sentence with a capital goes on here
        return True
    if (
        (starts.islower() and not small and (len(above.text) > 38 and not room or before.number))
        or end[-1:] in ",-;("
        or re.search(r"\b(?:the|a|and|or|of|for|to|with|in|until|about|last)$", end, re.I)
        # "Off the heat ten / more minutes"
        or (_NUMBER_LAST.search(end[-24:]) and _ITS_MINUTES.match(piece.text))
    ):
        return True
    return not (small or room) and end[-1:] not in ".!?:)" and len(above.text) > 40 and not starts.isupper()


_NUMBER_LAST = lazy(rf"(?:^|\s)(?:{NUMBER_PATTERN})$", re.I)
_ITS_MINUTES = lazy(r"(?:more )?(?:minutes?|mins?|hours?|hrs?)\b", re.I)
_OFFERS_INSTEAD = lazy(r"\(?or\s+(?!so\b|more\b|less\b|to taste)", re.I)


def _goes_on_ingredient(piece: Piece, ln: TextLine, before: Piece, above: TextLine) -> bool:
    if _OFFERS_INSTEAD.match(piece.text) and ln.index - 1 == above.index == before.first and not ln.blank_before:
        # "OR 600 ml water with 2 cubes", on a line of its own
        return True
    if ln.marks or ln.blank_before or ln.index - 1 != above.index or before.first != above.index or ln.row:
        return False
    if re.match(rf"{RANGE_PATTERN}", piece.text, re.I):
        return False
    return piece.text.startswith("(") or (
        piece.text[:1].islower() and (ln.indent > above.indent + 1 or before.text.rstrip()[-1:] in ",-")
    )


# "3 Rice, stock; boil …" counts too, where the words before it have ended
_NEXT_NUMBER = lazy(r"(?<=[.!?)])\s+(?P<n>[2-9]|1\d)(?:\s?[.)])?\s+(?=[A-Z][^\W\d]+\b(?! ?\())")


# "1 Brown the mince. 2 Rice, stock": numbers without stops, of which there must be some
_ONE_FIRST = lazy(r"1\s+(?=[A-Z][^\W\d]+\b)")
LEAST_BARE = 2


def _counted(piece: Piece) -> list[Piece]:
    """A line that counts several steps ("1. Boil … 2. Add … 3. Stand …") as those steps."""
    bare = _ONE_FIRST.match(piece.text) if piece.number is None else None
    if piece.number != 1 and bare is None:
        return [piece]
    cuts, n = [], 2
    for m in _NEXT_NUMBER.finditer(piece.text):
        if int(m["n"]) == n:
            cuts.append(m)
            n += 1
    if not cuts or (bare and len(cuts) < LEAST_BARE):
        return [piece]
    starts = [bare.end() if bare else 0, *(m.end() for m in cuts)]
    ends = [*(m.start() for m in cuts), len(piece.text)]
    at = piece.span.start
    return [
        replace(piece, text=piece.text[a:b], span=Span(at + a, at + b), number=k)
        for k, (a, b) in enumerate(zip(starts, ends, strict=True), 1)
    ]


def _join(before: Piece, piece: Piece, told: str) -> None:
    """One newline becomes one blank, so that places stay true."""
    before.span = Span(before.span.start, piece.span.end)
    before.text = joined(told[before.span.start : before.span.end])
    before.first = piece.first


_NAMED_NUMBERS = lazy(
    r"[^\W\d][^\d,;:()]{2,24} \d{1,2}(?: (?:large|small|medium|big))?(?:, [^\W\d][^\d,;:()]{2,24} \d{1,2}(?: (?:large|small|medium|big))?){1,5}\.?"
)
_NUMBERED_HEAD = lazy(r"(?P<n>\d{1,2})[.)]?\s+[A-Z][A-Z &,'/-]{2,40}")


def _numbered_heads(told: str, lines: Sequence[TextLine]) -> frozenset[int]:
    """Lines that head the steps, in capitals: "1 COOK RICE", "2 ROAST CARROTS", each above what it tells."""
    heads = [
        (ln.index, int(m["n"])) for ln in lines if (m := _NUMBERED_HEAD.fullmatch(told[ln.start : ln.end].strip()))
    ]
    # "2 PERSON" may stand before them
    heads = heads[max((k for k, (_, n) in enumerate(heads) if n == 1), default=0) :]
    in_order = [n for _, n in heads] == list(range(1, len(heads) + 1))
    apart = all(b - a > 1 for (a, _), (b, _) in pairwise(heads))
    return frozenset(i for i, _ in heads) if len(heads) > 1 and in_order and apart else frozenset()


_HASHTAGS = lazy(r"#?[^\W\d][\w&]*(?:\s+#[^\W\d][\w&]*)+")
# more than these were a feast that is told of
A_TABLE = 12


_A_THING = lazy(
    r"\s+(?:small |large |big |good-sized )?(?:rolls?|pieces?|cakes?|patties|burgers?|balls?|muffins?|parcels?|wraps?|tacos?|burritos?|peppers?|bars?|slices?|loaves|croquettes?|rissoles?|cups)\b",
    re.I,
)


def _counts_things(m: re.Match[str]) -> bool:
    """ "Makes 12 rolls", where "Yield: 4 servings" counts people."""
    return bool(_THINGS_COUNTED.match(m[0])) and not re.match(rf"\s*{_KIND}{_PEOPLE}", m.string[m.end() :], re.I)


def _find_servings(out: Structure, tagged: list[tagger.Tagged]) -> None:
    """A line for it first, then the title, then wherever people or portions are counted."""
    order = {
        "servings": 0,
        "title": 1,
        "heading": 2,
        "meta": 2,
        "section": 3,
        "ingredient": 6,
        "ingredients": 6,
        "note": 4,
        "step": 5,
        "chatter": 4,
    }
    found: list[tuple[int, int, float, Span]] = []
    # "makes 4 rolls" is what comes of it, and not for how many
    things = False
    for t in tagged:
        cls = out.classes[t.line.index][2]
        if cls in ("ingredient", "ingredients", "section", "heading", "servings") and (m := _EACH.match(t.line.text)):
            # "Per person: 75 g rice": the whole list is one's
            at = t.line.start + m.start()
            found.append((-1, at, 1, Span(at, t.line.start + m.end())))
        counts = list(_SERVES.finditer(t.line.text[:1200]))
        # "Makes 12 rolls / 6 servings"
        for m in sorted(counts, key=lambda m: (_counts_things(m), bool(_ASIDE.search(m[0])))):
            said = m["a"] or m["b"] or m["c"] or m["d"] or m["e"] or m["f"] or m["g"] or m["h"]
            try:
                low, high = number_range(re.sub(r"\s*/\s*", " to ", said))
            except ValueError:
                continue
            if low > A_TABLE and re.search(r"\bfed\s*$", t.line.text[: m.start()], re.I):
                # "three days my mother fed forty people": another time
                continue
            plain_for = _PLAIN_FOR.match(m[0]) is not None
            people = re.match(
                rf"\s*(?:\([^()]{{2,24}}\)\s*)?(?:of (?:you|us|them)|hungry |{_KIND}{_PEOPLE})",
                t.line.text[m.end() :],
                re.I,
            )
            ends = re.fullmatch(r"[\s.,;:!)]*", t.line.text[m.end() :])
            by_itself = ends and re.search(r"(?:^|[.!?])\s*$", t.line.text[: m.start()])
            if plain_for and by_itself:
                # "… like a cake. For 4."
                people = ends
            begins = (
                m.start() == 0 or re.match("for ", m[0], re.I) and re.search(r"[.!?]\s+$", t.line.text[: m.start()])
            )
            if (
                plain_for
                and begins
                and _A_BREATH.match(t.line.text, m.end())
                and not _OTHER_SIZE.match(t.line.text, m.end())
            ):
                # "for 4, or for 2 with lunch tomorrow", "… half an hour. For four, rinse 300 g"
                people = m
            if plain_for and ends and "." in t.line.text[m.end() :] and t.line.text[: m.start()].rstrip()[-1:] == ",":
                # "So, a smaller one, for 6."
                people = ends
            if (
                _MADE.match(m[0])
                and low <= MOST_MADE
                and _SAYS_ONLY_THAT.search(t.line.text[: m.start()])
                and _A_BREATH.match(t.line.text, m.end())
            ):
                # "makes 6. wet hands."
                people = m
            if (
                plain_for
                and not people
                and cls not in ("servings", "title", "heading")
                and not (ends and cls in ("meta", "section", "chatter", "note"))
            ):
                continue
            if (
                cls in ("ingredient", "ingredients", "step")
                and not people
                and not re.search(
                    rf"\b(?:serves|feeds|enough for|plenty for|sufficient|was for|is for|does(?: us)?(?: for)?|family of|(?:we|you) get|serve|{_PEOPLE})\b",
                    m[0],
                    re.I,
                )
            ):
                continue
            whole = len(m[0]) >= 0.6 * len(t.line.text)
            if (
                re.search(r"\b(?:bowls?|plates?|heads?)\b", m[0], re.I)
                and cls not in ("servings", "meta", "title")
                and not whole
                and not by_itself
            ):
                continue
            if said.strip().lower() in ("a", "an", "half", "a half", "quarter"):
                continue
            if children := _AND_CHILDREN.match(t.line.text, m.end()):
                with suppress(ValueError):
                    low += number_range(children["n"])[0]
                out.servings_ranged = True
            if not 1 <= low <= (MOST_SERVINGS if people or not _MADE.match(m[0]) else MOST_MADE) or low != int(low):
                continue
            if _MADE.match(m[0]) and (not people or people is m) and low >= MANY_MADE:
                # "makes about 12", of rolls or of eaters
                out.servings_ranged = True
            at = t.line.start + m.start()
            # "6 to 8" may be either
            ranged = out.servings_ranged or number_range(re.sub(r"\s*/\s*", " to ", said))[1] > low
            out.servings_ranged = ranged
            things |= _A_THING.match(t.line.text, m.end()) is not None
            found.append((order.get(cls, 4), at, low, Span(at, t.line.start + m.end())))
            break
        else:
            if cls == "servings" and not _ON_A_LABEL.search(t.line.text) and (alone := _ALONE.search(t.line.text)):
                try:
                    low, _ = number_range(re.sub(r"\s*/\s*", " to ", alone[0]))
                except ValueError:
                    continue
                if 1 <= low <= (MOST_MADE if _MADE.match(t.line.text) else MOST_SERVINGS) and low == int(low):
                    at = t.line.start + alone.start()
                    found.append((0, at, low, Span(at, t.line.start + alone.end())))
    if not found and out.title and (m := _BEHIND_TITLE.search(out.title.text)):
        # "Bibimbap (4)": it may count anything
        found.append((5, 0, float(m[1]), Span(out.title.span.start + m.start(1), out.title.span.start + m.end(1))))
    if found:
        best = min(found)
        out.servings = (best[2], best[3])
        said_twice = len({f[2] for f in found if f[0] <= 5}) > 1 and best[0] >= 0
        out.servings_sure = best[0] <= 2 and not said_twice and not out.servings_ranged and not things
