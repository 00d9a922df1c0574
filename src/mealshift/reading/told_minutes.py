"""What the words beside a stretch of minutes say outright, whatever the tagger thinks of it.

A table of rules in their order: the first that fits decides. Each is one sentence a cook might write; what it leaves open is asked, as the tagger's own
doubts are. After the table a few looks at all stretches together, where one only makes sense by another.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise

from ..quick import lazy, quick
from ..text.times import Stretch
from .clauses import Clause, clause_at, leaves_out_grain
from .entry import entered, of_sentence
from .ingredients import foods
from .names import OTHER_GRAINS, as_rice, find_grains
from .otherwise import LIKED, OTHERWISE
from .pot_words import CLASS, COOLED_ABROAD, OVEN_ABROAD, SOAKED_ABROAD


@dataclass(frozen=True, slots=True)
class Block:
    """One step's text as it stands in the plain text, with the section it is under."""

    text: str
    at: int
    section: str = ""


@dataclass(frozen=True, slots=True)
class Timed:
    """A stretch with its kind and how sure the tagger is; others: the kinds that were nearly it. block: the step it stands in."""

    stretch: Stretch
    block: int
    kind: str
    sure: float
    others: tuple[tuple[str, float], ...] = ()

    def chance(self, kind: str) -> float:
        """How likely these minutes are of that kind."""
        return self.sure if kind == self.kind else next((p for k, p in self.others if k == kind), 0.0)


@dataclass(frozen=True)
class Place:
    """A stretch where it stands, what the tagger takes it for, and what was settled of those before it. enters: where the grain comes into its pot.
    cookers, pressed: does the recipe speak of a rice cooker's button, of pressure? steeps: the grain is only steeped."""

    blocks: Sequence[Block]
    found: Sequence[Clause]
    n: int
    s: Stretch
    kind: str
    sure: float
    others: tuple[tuple[str, float], ...]
    earlier: Sequence[Timed]
    enters: tuple[int, int]
    sorts: Sequence[str]
    cookers: bool
    pressed: bool
    steeps: bool

    @property
    def text(self) -> str:
        return self.blocks[self.n].text

    @cached_property
    def before(self) -> str:
        return self.back(60)

    def back(self, letters: int) -> str:
        return self.text[max(0, self.s.start - letters) : self.s.start]

    def after(self, pattern: re.Pattern[str]) -> bool:
        """Do the words right behind it fit?"""
        return pattern.match(self.text, self.s.end) is not None

    @cached_property
    def _kinds(self) -> frozenset[str]:
        return frozenset(t.kind for t in self.earlier)

    def had(self, *kinds: str) -> bool:
        return not self._kinds.isdisjoint(kinds)

    def since(self, kind: str, pattern: re.Pattern[str]) -> bool:
        """Is the stretch before it, in the same step, of that kind, and nothing between them but this?"""
        last = self.earlier[-1] if self.earlier else None
        return (
            last is not None
            and (last.kind, last.block) == (kind, self.n)
            and pattern.fullmatch(self.text[last.stretch.end : self.s.start]) is not None
        )

    @cached_property
    def at(self) -> int | None:
        return clause_at(self.found, self.n, self.s.start)

    @property
    def clause(self) -> Clause | None:
        return None if self.at is None else self.found[self.at]

    @property
    def short(self) -> bool:
        return self.s.typical <= LONGEST_REST


@dataclass(frozen=True, slots=True)
class Rule:
    """says: as a cook writes it. least: the tagger may be surer of the same. leaves: what else it may be; "" the tagger's own word stays possible, None
    nothing does."""

    says: str
    kind: str
    sure: float
    fits: Callable[[Place], object]
    least: bool = False
    leaves: str | None = None

    def verdict(self, p: Place) -> Timed:
        sure = max(p.sure, self.sure) if self.least and p.kind == self.kind else self.sure
        left = round(1 - self.sure, 2)
        if self.leaves is None or self.leaves == "" and p.kind == self.kind:
            others: tuple[tuple[str, float], ...] = ()
        else:
            others = ((self.leaves or p.kind, left),)
        return Timed(p.s, p.n, self.kind, sure, others)


LONGEST_REST = 40.0
# what is cooked and cooled is only warmed through in the dish
LONGEST_WARMING = 10.0
_GOES_ON = quick(r"\b(?:another|further|more|longer|(?:carry|go|keep)(?:ing)? on|continue|the rest of the)\b", re.I)
_CHECKED_AT = quick(
    r"\b(?:check|look|tast(?:e|ing)|test|try|bite|biting|shak(?:e|ing)|flip|turn)(?:ing)?(?: it| them| one| the \w+)? (?:at|after|from)(?: about| around)?\s*$|\bwhen (?:it|the \w+) has (?:been )?(?:simmer|cook|boil|bubbl|bak)(?:ed|ing)(?: for)?(?: about)?\s*$",
    re.I,
)
# and the next line tells how long
_LOW_AND_COVERED = lazy(
    r"\b(?:turn(?:ed)?|lower(?:ed)?|reduc\w+|low|cover(?:ed)?|lid)\b[^.;!?]{0,40}\b(?:down|cover(?:ed)?|lid|low(?:est)?|it|fire|heat|flame)\W*$",
    re.I,
)
_WARMS_A_VESSEL = lazy(
    r"\b(?:pre-?(?:heat|warm)|warm|rinse out)\w* (?:up )?(?:the |your |an? )?(?:[a-z-]+ )?(?:thermos|flask|bowls?|plates?|dish(?:es)?|jars?|skillet|pan|tray|stone)\b[^.;!?]{0,30}$",
    re.I,
)
_AT_SO_HOT = lazy(
    r"\b(?:cover\w*|foil|bake|pan|dish|skin up|top|oven|casserole|9 ?x ?13)\b[^!?\n]{0,30}[.,;] ?(?:at )?(?:3[0-9][05]|4[0-7][05])(?: ?° ?F?)?\s*[-–—:,]\s*$",
    re.I,
)
_SOAKS_THE_POT = lazy(r"\bsoak (?:the|your) (?:\w+ )?(?:pot|pan|dish|bowl|casserole)\b[^.;!?]*$", re.I)
_DRINKS = lazy(
    r"\b(?:let|leave) (?:it|them|the \w+) (?:to )?(?:drink|absorb)(?: it| (?:the|all the) \w+)?(?: up| in)?(?: for)?(?: about)?\s*$",
    re.I,
)
_WARMS_ANOTHER = lazy(
    r"(?:^|[.;!?]\s+|\bmeanwhile,? )warm (?:up )?(?:the |your )?(?:rest of the )?(?:coconut|milk|cream|sugar|syrup|honey|vinegar|sauce|dressing)\b(?:(?!\b(?:rice|grains?|add|then)\b)[^.;!?])*$",
    re.I,
)
_WITH_THE_HEAT_OFF = lazy(
    r"\s*without (?:any |the )?heat\b|\s*(?:,? ?more )?(?:,? ?with |, )?(?:the )?(?:heat|fire|flame|gas|stove|hob|burner) (?:turned |switched |already )?off\b",
    re.I,
)
_DRAWS = lazy(
    r"\b(?:off|out|away)\b[^!?]{0,30}\b(?:let|leave) (?:it|them|the \w+) (?:to )?(?:draw|settle)(?: for)?\s*$", re.I
)
_HALF_DONE = lazy(
    r"\b(?:rice|grains?)\b[^.;!?]*\b(?:cook|boil)\w*\b[^.;!?]*\b(?:\d{2} ?%|half|three[- ]quarters?|almost|nearly) (?:done|cooked|through)\b[^.;!?]*$",
    re.I,
)
_POURED_OFF_NEXT = lazy(
    r"[\s,;.]*(?:only)?(?:[\s,–—-]*(?:it|they|the (?:rice|grains?))\b[^.;!?]{0,36})?[\s,;.]*(?:(?:and|then) )*(?:strain|drain)\b",
    re.I,
)
# "boil for 5 minutes – it should be about 70 % done"
_HALF_NOW = lazy(
    r"[\s,;(–—-]*(?:[^\W\d]+ ){0,5}(?:about |abt |around |~)?(?:\d{2} ?%|half|three[- ]quarters?|almost|nearly|not quite) (?:done|cooked)\b",
    re.I,
)
SUMMED = lazy(r"\s*(?:in total|in all|altogether|total)\b", re.I)
_KEPT_HOT = quick(
    r"\b(?:thermos|vacuum flask|hay ?-?box|wonder ?bag|sleeping bag|duvet|quilt|blankets?|co[sz]y)\b[^.!?]{0,40}$",
    re.I,
)
# rice that is to be steamed on is boiled no longer
HALF_BOILED_MIN = 8
_LAYERED = lazy(r"\blayer\w*\b[^!?]*\b(?:bake|oven|dum|steam|foil|seal\w*)\b[^!?]{0,60}$", re.I)
_IN_AN_OVEN = lazy(r"\b(?:bake|roast|broil|grill)\b(?![^.!?]*\brice\b)[^.!?]{0,50}$", re.I)
_FERMENTS = quick(r"\b(?:ferment|prove|proof|rise)(?!t\b|ne\b|n\b)\w*\b[^.!?]{0,30}$", re.I)
_LEFT_SHUT = lazy(
    r"\b(?:don'?t|do not|never) (?:open|touch|lift|peek|look)(?: it| the lid| inside)?,?(?: for)?(?: (?:another|a further))?\s*$",
    re.I,
)
_RESTS_NOW = lazy(
    r"(?:^|[.!;]\s*)(?:let (?:it |them )?|then )?(?:(?:rest|stand|(?<=let )set)(?: it)?(?:,? covered)?,?(?: for)?|(?:riposo|reposo|repos|descanso)(?: d[ei])?\s*:?)\s*(?:about\s*)?$",
    re.I,
)
_NIGHT_BEFORE = lazy(
    r"(?:the night before|overnight|all night|(?:at least )?\d+(?:\s?[-–]\s?\d+)? hours? (?:ahead|before|earlier))\b[^.;!?]{0,60}\b(?:rice|grain|it)\b[^.;!?]{0,40}\b(?:leave|put|stand|keep|cover|let|soak)\w*\b[^.;!?]{0,30}\bwater\b",
    re.I,
)
_TURNED = lazy(
    r"\b(?:until|till)\b[^.;!?]{0,40}\b(?:golden|toast\w*|translucent|opaque|nutty|glossy|glassy|coated|fragrant|turns? white|pearly)\b",
    re.I,
)
_MADE_AHEAD = quick(
    r"\b(?:can|may|could) (?:also )?be (?:made|prepared|put together|assembled|done)\b[^.!?]{0,30}\b(?:the day before|a day (?:before|ahead)|(?:the )?night before|ahead|in advance|beforehand)\b[^.!?]*$",
    re.I,
)
# nothing is heated, drained or set to dry between the washing and the leaving
_WASHED_AND_LEFT = lazy(
    r"\b(?:wash\w*|rinse\w*)\b(?:(?!\b(?:drain|sieve|basket|colander|strainer|boil|heat|cook|fry|oven|simmer|add|meanwhile|chicken|meat|fish|marinat\w*)\w*\b).){0,140}"
    r"\b(?:leave|let|keep)\b(?: (?:it|them|the (?:rice|grain)|that))?(?: (?:sit|stand|soak|in (?:the )?water))?(?: for)?\s*(?:about |abt )?$",
    re.I | re.S,
)
# "let sit 15 minutes, then press COOK"
_LEFT = lazy(r"\b(?:leave|let|keep|stand|sit)\b[^.;]{0,24}$", re.I)
_THEN_STARTED = lazy(
    r"[\s,]*(?:(?:and )?then|before|and)\b[^.;]{0,20}\b(?:press|push|start|switch|turn(?:\w* on\b| the (?:heat|gas|cooker)))\w*\b",
    re.I,
)
_COOLED = lazy(
    rf"\b(?:fridge|refrigerat\w*|chill|{COOLED_ABROAD})\b",
    re.I,
)
# what cools for so long is cold, and does not rest
LONG_COOL_MIN = 45
_TILL_DRUNK = lazy(
    r",? (?:or )?(?:until|till)\b[^.;!?]{0,24}\b(?:water|liquid|stock|broth)(?:'s| is| has been| has)? (?:all |just |fully )?(?:absorbed|gone|soaked up)\b",
    re.I,
)
_BOILED_ABROAD = lazy(
    r"\b(?:less(?:are|ate|a)|cuoc\w+|cuec\w+|cocin\w+|coc[ei]\w*|hierv\w+|coz\w+|cozinh\w+|koch\w*|garen|kook\w*|kok[ae]?|kog\w*|sjud\w*|simre\w*|småkog\w*|sudder\w*|pruttel\w*|u?gotow\w+|u?gotuj\w*|(?:faites|faire|laissez) cuire)\b(?P<it>[^.;!?]{0,90})$",
    re.I,
)
# what has gone cold was cooked before
_COLD_ABROAD = lazy(
    r"\b(?:(?:riz|arroz|riso|ris|ryż|pilav)\w{0,4} (?:bien )?(?:froid|refroidi|frío|enfriado|frio|freddo|raffreddato|kall[at]?|kold[et]?|zimn\w+)|(?:kalten|abgekühlten|ausgekühlten) reis|koude rijst|(?:kalla|kolde) ris\w*|zimny ryż|soğuk pilav\w*)\b[^.;!?]{0,60}$",
    re.I,
)
_BAKED_ABROAD = lazy(
    rf"\b(?:{OVEN_ABROAD}|bak (?:nog|ze|het)|überback\w*|gratin(?:er|ez|are|ar)|gratinar|cuire encore au four|grädda|(?:bages?|bag) (?:videre|den|det|retten|yderligere)|zapiek\w*|piecz|pieczemy)\b[^.;!?]{{0,40}}$",
    re.I,
)
_FRIED_ABROAD = lazy(r"\.?\s*(?:lang |goldbraun |knusprig |kräftig )*(?:an|mit)?(?:braten|rösten|dünsten)\b", re.I)
# "turn the heat up for 3 mins to burn the bottom", "leave on high 4 minutes until the bottom catches"
_STRONGER = lazy(
    r"\b(?:(?:turn|rais|increas)\w* (?:up )?(?:the )?(?:heat|flame|gas|fire)|(?:medium[- ])?high(?: heat| flame)?|(?:heat|flame|gas) (?:up|high))\b[^.;!?]{0,40}$",
    re.I,
)
_FOR_ITS_CRUST = lazy(r"[^.;!?]{0,50}\b(?:bottom|crust\w*|socarrat|tahdig|crackl\w+)\b", re.I)
_CHILLED = lazy(r"\b(?:fridge|refrigerat\w*|chill(?:ed)?)\b", re.I)
_SAME_SAID = lazy(r"[^.;()]{0,40}\((?:about |abt |takes |that is |~)*")
OR_SO_LONG = lazy(r"\s*(?:/|,? or)\s*(?:for )?(?:about |abt |~)?", re.I)
# "(45 mins if it was not frozen)"
_IF_NOW = lazy(r"\s*(?:more |longer )?(?:if|when)\b", re.I)
# "simmer 5 min if you want it thicker"
# "Soak rice 1 hour. Boil in the salted water 6 minutes, drain."
_IN_SALTED = lazy(
    r"(?:^|[.;!?]\s*)(?:boil|cook|par-?boil)\w*(?: it| the rice| rice)? in (?:(?:the|plenty of|lots of|boiling|salted|fast) )+water(?: for)?(?: about)?\s*$",
    re.I,
)
_THEN_DRAINED = lazy(r"[^.;!?\d]{0,30}[.;,]?\s*(?:then |and )?drain", re.I)
_FROM_COLD = quick(
    r"\b(?:from (?:the )?(?:frozen|freezer|fridge)|re-?heat|re-?warm|thaw|defrost)\w*\b[^.;!?]{0,60}$", re.I
)
_IF_WANTED = lazy(
    r"\s*(?:more |longer )?if (?:you(?:'d)? (?:want|like|prefer|wish)|(?:it|they)(?:'s|'re| is| are) (?:still |too )?(?:thin|wet|soupy|loose|hard|firm|watery)|liked|wanted|desired)\b",
    re.I,
)
# "12-14 min (easy-cook 16)"
_OTHER_SORT = lazy(
    r"\s*\((?:for |if |or )?(?:[a-z]+[ -]){0,2}(?:rice|cook|grain|parboiled|converted|brown|basmati|jasmine|arborio|carnaroli|vialone|bomba|sella|older|fan|gas|winter|summer|barley|quinoa|farro|bulgur|millet|buckwheat|wheat|spelt|oats)[a-z]*:? (?:about |~)?",
    re.I,
)
# "5 minutes for the blend (25 minutes for wild rice)"
_IN_A_BRACKET_SOON = lazy(r"[^().;!?\d]{0,24}\((?:or |about )?")
_FOR_A_SORT = lazy(
    r"\s*(?:if|for|with) (?:you use |using |100 ?% |all |pure |plain |only )*(?:the )?(?:[a-z]+[ -]){0,2}(?:rice|barley|quinoa|farro|bulgur|millet|grains?)\b",
    re.I,
)
_OR_ELSE = lazy(r"\(or [^.;()]*$", re.I)
_MINE_TOOK = lazy(r"[^.;!?\d]{0,16}\b(?:mine|ours|it) (?:took|takes)\b", re.I)
# "start tasting at 16 minutes; all told it's 18 to 20"
_ALL_TOLD = lazy(r"[^.!?\d]{0,30}\b(?:all told|in all|in total|altogether|total)\b[^.!?\d]{0,12}\d", re.I)
_THERE_LATER = lazy(r"[^.!?\d]{0,40}\b(?:there|done|ready) (?:at|by) (?:about )?\d", re.I)
_MINE = lazy(r"[^.;!?\d]{0,16}\b(?:mine|ours|it) (?:took|takes)\s*(?:about )?", re.I)
_TO_COOL = lazy(r"\s*to cool\b", re.I)
# the minutes of a whole clause in a bracket behind it
_COOKS_SO_LONG = lazy(r"(?:^|[.;:]\s+)(?:it )?(?:cooks|simmers|bakes|steams)\b[^.;:()]*\(\s*(?:about |~)?$", re.I)
_KEEP_WARM_BEHIND = lazy(r"\s*(?:on |of )?(?:['\"]?keep[- ])?warm\b", re.I)
# "Remove the foil and bake 20 to 25 minutes more"
_BARED_AND_BAKED = quick(
    r"\b(?:remove|take off|lift) the (?:foil|lid|cover)\b[^.!?]{0,20}\bbake\s*(?:for )?(?:about )?$", re.I
)
# "Steam 20 minutes, turn over the cake of rice, steam 12 more"
_SAME_AGAIN = quick(r"\b(?P<v>steam|bake|simmer|cook|boil)\s*(?:it )?(?:for )?(?:about )?$", re.I)
_UNCOVERED_AGAIN = quick(
    r"\b(?:take|lift|pull|get) (?:the )?foil off\b[^.!?]{0,60}\b(?:give it|bake|back (?:in|for)|return)\b[^.!?]{0,12}(?:another|a further)\b|\b(?:uncover|foil off)\b[^.!?]{0,50}\bgive it (?:another|a further)\b",
    re.I,
)
# "weitere 10 Minuten ohne Deckel überbacken", "10 minuter till utan folie"
_BAKED_ON = lazy(
    r"[^.;!?\d]{0,40}\b(?:über)?backen\b|[^.;!?\d]{0,40}\bgratinieren\b|\s*(?:mer|till)\b(?: utan (?:folie|lock))?\s*(?:i ugnen)?(?=\W|$)",
    re.I,
)
_BARED_IN_OVEN = lazy(r"\b(?:ohne (?:deckel|folie)|ta (?:bort|av) folien|folien av)\b", re.I)
_BOILED_WHOLE = lazy(r"\bboil (?:them|it|the [^\W\d_]+) whole(?: for)?(?: about)?\s*$", re.I)
_TO_CARVE = lazy(r"\s*(?:before|and then|then) (?:carving|carve|you carve)\b", re.I)
_OPENED_AFTER = lazy(r"(?:^|[.;!?\n]\s*)(?:and )?open (?:it |the (?:lid|pot) |up )?(?:only )?after (?:about )?$", re.I)
_IN_BRACKETS = lazy(r"\([^)]*$")
_IN_ALL = lazy(r"\b(?:total|totally|in all|altogether)\s*(?:of\s*)?$", re.I)
# "soak the rice and the dal": with the grain in it, it is the grain's soak
_SOAKED_TOGETHER = lazy(
    # not of "the soaked rice"
    r"(?<!\bthe )(?<!\byour )\bsoak\w*\s+(?:all\s+)?(?:(?:the|your|both)\s+)?(?:[\w-]+\s+){0,3}?(?:(?:and|&|\+|with)\s+(?:the\s+)?)?(?:[\w-]+\s+){0,2}?rice\b[^.;!?,]*$",
    re.I,
)
_SOAKS_THE = lazy(r"\bsoak(?:ing)?\s+(?:all )?(?:the|your|these|those|some|dried)\s", re.I)
_BEFORE_THE_GRAIN = lazy(
    r"[^.;!?]{0,30}?\b(?:before the [\w -]{2,30} (?:goes|go|is added|are added|joins?)\b|in the liquid(?: \([^)]*\))?(?:, then stir in| before the)|at pressure; let it down and open it, then stir in)",
    re.I,
)
_LET_STEEP = lazy(r"\blet it steep for (?:about )?$", re.I)
_STEEPS = lazy(r"\b(?:steep|leave|let (?:it |them )?(?:stand|sit|swell|soak)|stand|sit|swell)\b[^.;!?]{0,30}$", re.I)
# "to the boil (8 min)"
_COMES_UP = quick(
    r"\b(?:to (?:the |a )?(?:(?:gentle|rolling|full) )?boil(?:[^.;()]{2,60})?|until (?:it|the (?:water|pot|rice)|water) boils?|until (?:it(?:'s| is) )?(?:boiling|bubbling)|up to pressure|to pressure|heats? (?:up|through))\s*\(\s*(?:it )?(?:takes )?(?:about |abt |~)?$"
    r"|\bto (?:the |a )?boil(?: in|,? (?:it|this|which|that) takes) (?:about |abt |~|roughly )?$"
    # "zum Kochen bringen (ca. 4 Minuten)"
    r"|\b(?:zum kochen bringen|aufkochen(?: lassen)?|(?:porter|amener) à ébullition|llevar a ebullición|a hervir|portare a (?:bollore|ebollizione)|aan de kook brengen)\s*\(\s*(?:ca\.? |circa |etwa |environ |unos |ongeveer )?$",
    re.I,
)
# "bring it up to a boil, about 3 minutes", "when it starts to bubble (5 ish min)"
_UP_TO_IT = lazy(
    r"\bbring\w*\b[^.;()\d]{0,30}\bto (?:the |a )?(?:gentle |rolling |full |hard )?(?:boil|simmer|bubble)(?:,? (?:on|over) (?:a )?[a-z]+(?:[ -][a-z]+)? (?:heat|flame|fire))?\s*(?P<p>[,(–—-])?\s*$"
    r"|\b(?:when|once|until|till) (?:it|the \w+) (?:(?:starts|begins|comes) (?:to )?(?:the |a )?)?(?:boil|bubble|simmer)(?:s|ing)?\s*(?P<q>[,(–—-])?\s*$",
    re.I,
)
_ABOUT_SO = lazy(r"(?:about|abt|around|approx|roughly|~)", re.I)
# "(10 mins or so to come up)", "12 to get there", "about 8 min to build pressure"
_TO_COME_UP = lazy(
    r"\s*(?:or so\s+)?(?:to|till it|until it) (?:the )?(?:boil\b|comes? (?:up|to pressure)|gets? (?:there|up to pressure)|builds?\b|reach\w* pressure)",
    re.I,
)
# "while it bakes, cook the beans 3 minutes": the other hand's work
_WHILE_IT = lazy(
    r"(?:^|[.!?]\s+)while (?:it|that|this|they|the \w+(?: \w+)?)(?:'s| is| are)? (?:in the oven|(?:bak|cook|simmer|rest|stand|steam|roast)\w*)[^,.;!?]{0,30},[^.!?]*$",
    re.I,
)
_COOLS = lazy(r"(?:^|[.;,!]\s*)(?:let (?:it |them )?|then |and )*cool(?: it| them| down| off)?,?(?: for)?\s*$", re.I)
# Turkish says it behind the minutes: it is left standing, it is fried
_STEAMED_WHEN_DONE = lazy(
    r"\b(?:when|once)(?: it(?:'s| is| has)?| the rice is)? (?:cooked|done|finished|ready)\b[^.;!?]{0,16}\bsteam\b[^.;!?]{0,20}$",
    re.I,
)
# soaked, in other tongues: what follows the minutes, or stands before them
_EINWEICHEN = quick(
    rf"[^.;!?]{{0,40}}\b(?:quellen lassen|en agua fría|{SOAKED_ABROAD})\b",
    re.I,
)
_BEI_HITZE = lazy(r"\b(?:hitze|flamme|stufe|köcheln|garen)\b[^.,;!?]{0,44}$", re.I)
_BEKLET = lazy(r"\s*(?:kadar |(?:(?:ılık|soğuk|sıcak|tuzlu) )*suda )?(?:beklet|ıslat)", re.I)
_TOSTARE = lazy(r"\btost(?:are|ate|a|iamo|andolo|ar|amos)\b[^.;\d]{0,24}$", re.I)
_KAVUR = lazy(r"\s*(?:daha |kadar )*kavur", re.I)
_PISIR = lazy(r"\s*(?:daha |kadar |kapağı kapalı |kısık ateşte )*(?:pişir|haşla)", re.I)
_DEMLE = lazy(r"\s*(?:daha |kadar )*(?:demle|dinlen)", re.I)
_STEEPED = quick(r"\b(?:steep|bloom|infuse|dissolve)\w*\b[^.;!?]{0,40}$", re.I)
# "put it with the measured water in a heavy pot and leave to stand 10 minutes"
_PUT_WITH_WATER = lazy(
    r"\b(?:with|and) (?:the |its )?(?:[a-z]+ )?water\b(?:(?!\b(?:boil|heat|hot|simmer|bring)\w*)[^.;!?]){0,60}\b(?:leave|let)\b(?: it| them)?(?: to)?(?: stand| sit| soak)?,?(?: for)?\s*$",
    re.I,
)
# a sentence of minutes alone, right after the heat is off and nothing else was done
_JUST_OFF = quick(
    r"\b(?:off|off (?:the )?heat|heat off|from the heat)[.!]\s*(?:(?:(?:do not|don't|no) [^.!?]{2,24}|(?:keep the )?lid on|covered)[.!]\s*)*$"
    r"|(?:^|[.!;]\s*)off,? (?:and |then )?(?:give it|leave it|wait|lid (?:back )?on|(?:keep )?covered|keep closed)\s*,?\s*(?:for\s*)?(?:another\s*|a further\s*)?$"
    r"|(?:^|[.!;,]\s*)(?:then |and )?off,?\s*(?:(?:&|and|then)\s+)?(?:(?:steam|rest|stand|leave|sit|wait)(?: it)?\s+)?(?:for\s*)?(?:another\s*|about\s*)?$"
    # "cook on sim 12 min. don't open after for 10 min"
    r"|\b\d+ ?m(?:in(?:ute)?s?)?[.,;!]\s*(?:then )?(?:do not|don'?t|never) (?:open|touch|lift|peek)[^.!?;\d]{0,20}\b(?:after|then)\b(?: for)?\s*$"
    r"|\b(?:heat|hob|stove|dial|flame) (?:down )?to (?:0|zero|off)\b[.,;!]?(?: (?:and )?(?:set|start) the timer)?(?: for)?\s*$"
    r"|\b(?:fire|heat|flame|gas|stove|hob) off,?(?: and| then)?(?: (?:steam|stand|rest|leave|sit|wait|let (?:it )?\w+)(?: it)?)?,?(?: for| about| another)*\s*$",
    re.I,
)
# a rice cooker that is done: "when finished steam 10 min more"
_CLICKED = lazy(
    r"\b(?:when|once|after)(?: it| the (?:cooker|switch|button))?(?:'s| is| has)? (?:finish(?:ed|es)|done|cooked|clicks?(?: off)?|clicked|beeps?|switches off|pops(?: up)?)\b[^.;]{0,70}$",
    re.I,
)
# the cooker's own rest: "keep on WARM 15 min", "leave on warm for 10"
_KEPT_WARM = quick(
    r"\b(?:keep|keeps|kept|leave|left|stay|stays|stand|switch(?:es)? to|goes to|then)(?: it)?(?: (?:on|at|to))? (?:the )?(?:['\"]?keep[- ])?warm['\"]?\s*(?:mode|setting|function)?,?\s*(?:(?:wait|leave (?:it|alone)|let it (?:sit|stand|rest))\s*)?(?:for\s*)?(?:about\s*|another\s*)?$",
    re.I,
)
# "in another small cooker, 3 whistles"
_OTHER_COOKER = lazy(
    r"\b(?:another|separate|second|other|different)\s+(?:small |little |pressure )*(?:cooker|pan|pot)\b[^.;]*$", re.I
)
# "lid with a cloth, reduce to low, steam 45 minutes"
_STEAMS_ON = lazy(
    r"(?:^|[.,;]\s*|\b(?:and|then)\s+)steam(?: it| the rice)?(?: (?:on|over) (?:a |the )?(?:very )?low(?:est)?(?: heat)?)?,?(?: for)?(?: another| a further)?(?: about)?\s*$",
    re.I,
)
# "till the weight dances, then 3 min", of a cooker that nobody calls by its pressure
_UP_TO_PRESSURE = quick(
    r"\b(?:weight|valve|regulator|jiggler|rocker)\b[^.;]{0,12}\b(?:danc|rock|jiggl|hiss|rattl|spin|swing|sing|wobbl)\w*[^.;\d]{0,20}$|\b(?:hisses|steady (?:hiss|steam))\b[^.;\d]{0,20}$",
    re.I,
)
_TURNED_DOWN = lazy(
    r"[,.;]?\s*(?:and |then )*(?:turn|set|put)? ?(?:it |the (?:heat|flame|gas) )?(?:down |right down )?(?:to |on )?(?:the )?(?:low(?:er|est)?|sim(?:mer)?|small(?:est)?)(?: (?:heat|flame|fire))?,?(?: for)?\s*",
    re.I,
)
# "lowest 25 min. Turn the rice over. 10 more min"
_NOT_OFF = r"(?:(?!\b(?:off|rest|stand|leave|let|herd)\b)[^.;])"
_TURNED_OVER = lazy(
    rf"(?:{_NOT_OFF}{{0,60}}[.,;]){{0,2}}\s*(?:then |and )?(?:[^\W\d_]+ (?:dazu|zugeben|hinzu\w*)|(?:[^\W\d_]+ ){{1,3}}(?:in|goes in|go in)|turn|stir|fold|toss|mix|flip|sprinkle|fluff|add|agreg\w+|añad\w+|aggiung\w+|ajout\w+)\b{_NOT_OFF}{{0,60}}[.,;]\s*(?:(?:then|and|weitere|noch|altri|otros) )?(?:(?:for )?(?:another|a further) )?",
    re.I,
)
_FURTHER = lazy(r"\b(?:more|another|further|weitere|noch|altri|ancora|otros|más|mas|encore|lagi|daha)\b", re.I)
_SOAK_BEHIND = lazy(r"[\s-]*(?:[^\W\d_]+ \()?soak\b", re.I)
# "let it come down by itself for 10 mins"
_COMES_DOWN = lazy(
    r"\bpressure (?:apne aap |khud (?:se )?)?(?:nikal\w*|jaane|jana|utar\w*)(?: (?:do|de|dein|dine))?[\s(,:~-]*$|\b(?:wait|leave|until|till?|when)\b[^.;\d]{0,12}\b(?:pin|float|pressure)\b (?:has )?(?:drop|fall|go|come|sink)\w*(?: down)?[\s,:(~-]*(?:for |about |abt |around )*$|\bN\.?P?\.?R\b\.?(?: for)?\s*$|\bnatural(?:ly)? releas\w*,?(?: for)?\s*[~(]?\s*(?:about )?$|\b(?:come|comes|go|goes|drop|fall)\s?(?:down|off)? (?:by itself|itself|on its own|naturally)[\s,:(–-]*(?:for\s*)?(?:about\s*|abt\s*|[≈~]\s*)?$",
    re.I,
)
# said by the cooker itself: "HIGH pressure 8 minutes", "press start (mine takes 46 min)"
_AT_PRESSURE = lazy(
    r"\bH[IP],?\s*(?:for )?$|\b(?:(?:high|low|full|manual)[ -]pressure|pressure[- ]cook)\)?(?: it)?(?: on high)?\s*(?:for|[-,:=])?\s*(?:about )?$"
    # the cooker's own programme
    r"|\"(?:porridge|rice|multi-?grain|congee|soup|stew|manual)\"(?: (?:mode|setting|button|program\w*))?,?(?: for)?\s*$",
    re.I,
)
# "22 min high, 10 NPR"
_NPR_AFTER = lazy(r"\s*(?:min\w*\s*)?(?:NPR|NR)\b")
_HIGH_AFTER = lazy(r"\s*(?:at |on )?(?:high|hi)\b(?: pressure)?\s*(?:[,.;+&]|$|then\b|and\b)", re.I)
_TAKES = quick(
    r"(?:\b(?:mine|ours|it|cooker|which|this|that)\s+|\b(?:button|start|cook|setting)[.;,]\s*)(?:usually |normally )?(?:takes|took|clicks off (?:at|after)|switches off after|is done (?:in|after))\s*(?:about|around)?\s*$",
    re.I,
)
_THEN_LOW = lazy(
    r"[^.;\d]{0,30}?[,.;]?\s*(?:and |then )*(?:sim(?:mer)?|low(?:er)?|reduce|keep|cook)\b[^.;\d]{0,24}", re.I
)
_OFF_BEHIND = lazy(r"\s*off\b(?: (?:the )?(?:heat|burner|flame|hob|stove))?\s*(?:[,.;)]|$)", re.I)
# "a ladle at a time, 3 minutes each: 20 in all"
# "stirring for the first 5 minutes … 18 in all"
_THE_FIRST = lazy(r"\b(?:for|in|during) the first\s*$", re.I)
_EACH_TIME = lazy(r"\s*(?:each|every time|a time|between)\b", re.I)
_AFTER = lazy(r"\bafter(?: about| the first)?\s*$", re.I)
_BEFORE_THE_END = lazy(
    r"\.?\s*(?:vor (?:dem )?(?:ende|garzeitende)|avant la fin|antes de(?:l final|l fin| terminar| acabar)|(?:prima )?dal(?:la)? (?:fine|termine)|prima della fine|przed końcem|före slutet|voor het einde)\b|\s*before (?:the end|it(?:'s| is) (?:done|ready)|the (?:rice|grain|cooking|time) (?:is|are) (?:done|up|over|ready|cooked))\b",
    re.I,
)
_DRIPS = quick(
    r"\b(?:escorrer|escurrir|scolare|sgocciolare|abtropfen|égoutter|uitlekken|odcedzić|süzülsün)\b[^.;!?]{0,12}$|\b(?:drain|drip)(?: it| them| well| dry| in an? \w+| through)?,?(?: for)?(?: about)?\s*$",
    re.I,
)
_THERE_AT = lazy(r"\b(?:there|done|ready|cooked) (?:at|by)\s*(?:about )?$", re.I)
_OFF_THE_FIRE = lazy(r"\s*(?:more |minutes? |mins? )?off the (?:fire|heat|flame|stove|hob|gas)\b", re.I)
_TILL_THE_GRAIN = lazy(
    rf"[^.;!?]{{0,30}}\b(?:till|until) (?:the |all the )?(?:rice|grains?|{OTHER_GRAINS})\b(?! (?:is |are )?(?:golden|brown|coated|toasted|opaque|translucent))",
    re.I,
)
_BEFORE_HEAT = lazy(
    r"\s*(?:of )?(?:standing|sitting|resting|soaking|waiting)? ?before (?:the |any |you (?:put|turn|light|start) )?(?:heat|fire|flame|lighting|switching on|turning on)\b",
    re.I,
)
# left standing, in other tongues: before the minutes or behind them
_LEFT_ABROAD = lazy(
    r"\b(?:odstaw(?:ić)?|zostaw|diamkan|biarkan|biar|hayaan(?:g)?|deixe(?: descansar)?|deja(?:r)?(?: reposar)?|reposar|laisser reposer|laissez reposer|(?:lascia(?:re|te)?|fate) riposare|ruhen lassen|låt stå|låt vila|la (?:den |det )?stå|lad (?:den |det )?stå|far riposare|attend(?:re|ez)|patient(?:er|ez)|(?:ab)?warten|esper(?:ar|e|amos)|aspettare|attendere|acha|iache|rehne do)\b[^.;!?]{0,20}$",
    re.I,
)
_LEFT_BEHIND = lazy(
    # the stop of "10 min." ends no sentence before a small letter
    r"\s*\.?\s*(?:laten |te )?(?:staan|rusten|(?:ab)?warten|wachten|nagaren|(?:(?:zugedeckt|ohne Hitze|im Topf|auf dem ausgeschalteten Herd) )*(?:ruhen|ziehen|nachziehen|nachquellen|nachgaren|ausquellen|ausdampfen|abdampfen|stehen) lassen|(?:aus|ab)dampfen|stå|rehne (?:do|de)|chhod (?:do|de)|nikalne do)\b"
)
_TAKEN_OFF = lazy(
    r"(?:^|[.;]\s*)(?:take (?:it )?)?(?:out|off)\b|\b(?:off|from) (?:the )?heat\b|\bout of the oven\b", re.I
)
_LID_BACK = lazy(r"\b(?:lid|cover|foil) (?:back(?: on)?|on(?: again)?)(?: tight\w*)?,?\s*(?:for )?$", re.I)
_FOR_FLAVOUR = lazy(
    r"\s*(?:or so |at least )?(?:for|so) (?:the |all the )?flavou?rs\b|\s*to (?:marinate|infuse|marry|get to know)",
    re.I,
)
_COUNTED = lazy(r"(?:^|[.;,]\s*)(?:then )?count(?: about| to)?\s*$", re.I)
# the sign of a paste or gravy that is fried down, and of no grain
_OIL = r"\b(?:till|until|when) (?:the )?(?:oil|ghee|fat|tel)(?: has)? (?:comes?|floats?|separates?|leaves|rises|shows|surfaces|starts)\b"
_OIL_RISES = quick(rf"{_OIL}[^.;!?]*$|\blike jam\b[^.;!?]*$", re.I)
_TILL_OIL_RISES = lazy(rf"[^.;!?]{{0,40}}{_OIL}", re.I)
_BROTH_KEPT = lazy(
    r"[\s.,;!]*(?:(?:and|then) )*(?:keep|save|reserve|strain|measure)\b[^.;!?]{0,24}\b(?:broth|stock|water|liquid|liquor|yakhni)\b",
    re.I,
)
_INSTEAD = lazy(r"[^.;!?]{0,16}\binstead\b(?! of)", re.I)
_SAVED = quick(r"\bsav(?:es?|ing)\b[^.;!?]{0,20}$", re.I)
_AT_LOWEST = lazy(
    r"(?:^|[.;,]\s*)(?:on |at )?(?:the )?(?:very |to )?(?:lowest|low|smallest|tiniest)(?: (?:heat|flame|gas))?[.:;]\s*$"
    # "then smallest flame 30 minutes"
    r"|\b(?:lowest|smallest|tiniest) (?:possible )?(?:heat|flame|gas|fire),?\s*(?:for )?(?:another )?$"
    # the same in other tongues, where the minutes follow at once
    r"|\b(?:bajito|fuego (?:bajo|lento|suave)|fuoco (?:basso|dolce)|feu doux|laag vuur|lage stand|kis láng(?:on)?|mały(?:m)? og(?:ień|niu)|svag värme|lav varme|lume baixo"
    r"|fogo baixo|dheemi aanch(?: par)?|dhima aanch|api kecil),?\s*(?:durante |por |per |pendant |für |na |i )?(?:unos |circa |environ |ca\.? )?$",
    re.I,
)
# "Cover, 20 min low, 10 off"
_LOW_BEHIND = lazy(r"\s*(?:(?:on|at) )?(?:very |the )?(?:low|lowest|sim)\b(?: heat| flame)?(?=\s*(?:[.,;)]|$))", re.I)
_EVERY = lazy(r"\b(?:every|each)\s*(?:few|couple of|about|~)?\s*$", re.I)
_LEFT_IN_WATER = lazy(
    r"\b(?:rice|grains?|it)\b[^.;!?]{0,40}\b(?:leave|left|let|stand|sit|keep)\b[^.;!?]{0,24}\bin (?:(?:some|plenty of|clean|fresh|cold|cool|warm|tepid|lukewarm|salted) )*water(?: for)?(?: about| at least)?\s*$",
    re.I,
)
_READY_IN = lazy(r"\b(?:done|ready|finished|on the table|all) in(?: about| under| only| just)?\s*$", re.I)
# "Bake 30 minutes. Uncover, bake another 30"
_UNCOVERED_FOR = lazy(
    r"\s*[.,;]\s*(?:then )?(?:uncover|remove (?:the )?(?:foil|lid|cover)|take (?:the )?(?:foil|lid) off|(?:foil|lid) off)\b[^.!?]{0,40}",
    re.I,
)
_MORE_OF_IT = lazy(r"\s*(?:more|longer)\b", re.I)
# "HIGH 1½ hours or LOW 3", "3 hours on low, or 1½ on high"
# "conventional oven 350 F 1 hour; convection 325 F 50 minutes": what stands before the other oven's minutes
OTHER_OVEN = r"\s*[;,/(]\s*(?:or )?(?:in an? )?(?:convection|conventional|fan|combi|gas|electric)(?: oven)?(?: at)?:?(?: ?\d{2,3} ?°? ?[FC]?\b)?,?(?: for)? ?"
# "25 minutes, or at 350F for 35 minutes", "25 minutes in a hot oven or 40 minutes in a slow one"
OR_ELSEWHERE = lazy(
    r"[^.;!?\d()]{0,24}[,(;]?\s*\bor (?:else )?(?:(?:in|at|on|over|for|with|the|an?|low|medium|high|hot|slow|cool|moderate|gentle|oven|heat|pan|pot|microwave|fan|convection|gas|mark),?\s){0,5}(?:\d{2,3} ?°? ?[FC]?\b,? ?)?(?:for )?(?:about |around )?",
    re.I,
)
_OTHER_SETTING = lazy(
    rf"{OTHER_OVEN}"
    r"|\s*\((?:or )?(?:on )?(?:high|low):? |\s*(?:on (?:high|low)(?: heat| setting)?\s*[,/;(]?\s*or,?\s*(?:for )?|[,/;(]?\s*or,?\s*(?:(?:on|at) )?(?:the )?(?:high|low)(?: heat| setting)?(?: for)?\s*)(?:about |around )?",
    re.I,
)
# minutes that are cooked only where the pot wants them: "Not yet? … 2 more minutes", "if it is still hard, another 5", "for a crust"
_ONLY_IF = quick(
    r"(?:not yet\?|\bif (?:the )?(?:switch|button|cooker) (?:jumps|clicks|pops|trips)\b|\bif (?:it|they|the (?:rice|grains?|\w+)|there)(?:'s|\s+(?:is|are|isn't|aren't|looks?|seems?|still|need\w*|has|have|feels?))\b[^.;!?]*\b(?:hard|firm|raw|undercooked|chalky|wet|liquid|water|soupy|not (?:yet )?(?:done|tender|cooked|soft)|"
    r"isn't (?:done|tender)|needs? (?:it|more|longer)|crunchy|bite)|\bif (?:still|too) (?:a (?:bit|little) |rather |very )?(?:hard|firm|raw|wet|soupy|chewy|crunchy|al dente|not )|\bif not[,:]|\bif not (?:done|tender|cooked)|\bif (?:it|they)(?:'s not| isn't| aren't|'re not| is not| are not)\b,?|\bfor a crust\b|\bif (?:needed|necessary)\b|"
    rf"\bif (?:you|yuh|yu|ya|u) (?:want|like|prefer) (?:it |them |your |the |rice |grains? )*(?:a (?:bit|little) )?(?:grainy|grainier|{OTHERWISE}|{LIKED})\b)",
    re.I,
)


# "If your prawns are frozen give them 2 minutes more", "Using boneless thighs, 12 minutes is enough"; what is added "if using" is added
# an oven-proof pan, a lid one has: what is done with them is the recipe's own
_IF_SO = quick(
    r"(?:^|[.;!?(\n]\s*|\b(?:and|or|but)\s+)(?:(?:and|but|or)\s+)?(?:if (?!(?:you|ya|u|they) (?:like|want|wish|prefer|can|would|fancy|feel)\b|desired|possible|liked|wanted|adding|including|using(?! [^\W\d_])|time\b)"
    r"|should (?:the|your)\b|when us(?:e|ing)\b|using (?:bone-?in|boneless|fresh|frozen|dried|tinned|canned|pre-?cooked|cooked|raw|left-?over|small\w*|larg\w*|big\w*|thick\w*|thin\w*)\b)"
    r"(?![^.;!?()]{0,90}\b(?:oven\w*|transfer|foil|(?:has|have) a lid)\b)[^.;!?()]{2,90}$",
    re.I,
)
# "(if frozen, add 5 minutes)"; "(for about 10 minutes)" says it of the pot
_IF_IN_BRACKETS = lazy(
    r"\((?:or |but )?(?:(?:if|when|using)\b(?! (?:needed|necessary))|(?:for|with) (?!(?:about|around|approx\w*|at least|another|a further|up to|roughly|some|the|it)\b))[^()]{2,60}$",
    re.I,
)
_IF_BEHIND = lazy(
    r"\s*(?:more |longer |less |extra )?(?:if (?!(?:you|ya|u) (?:like|want|wish|prefer)\b|desired|possible|liked|wanted|using(?! [^\W\d_]))|when us(?:e|ing)\b|in case )",
    re.I,
)
# "Bone-in pieces need 10 minutes longer", "breasts need only 25"
_THEY_NEED = lazy(
    r"(?:^|[.;!?(\n]\s*|,\s+(?:and|but) )(?=\S)(?!(?:it|they|this|that|these|now|then|you|we|i)\b)(?:the |your )?(?P<what>[^.;:!?,()\d]{3,40}?) (?:(?:will|may|might|would|only|just|usually) )*(?:need|take|want|require)s? (?:(?:only|just|about|another|around|an? extra|up to) )*$",
    re.I,
)
_IS_SUCH = lazy(
    r"\b(?:bone-?in|boneless|frozen|dried|tinned|canned|fresh|raw|whole|thick\w*|thin\w*|larg\w*|small\w*|bigg?\w*|older|younger|chunk\w*|pieces?|ones|chops?|ribs|legs?|shanks?|joints?)\b",
    re.I,
)
_ADDED_ON = lazy(
    r"\badd (?:about |another |an? (?:extra|additional|further) )?$|\ballow (?:about )?(?:another|an? (?:extra|additional|further)) $",
    re.I,
)
# "Wind makes it slower, give it 15 then."
_IN_THAT_CASE = lazy(r"\s*(?:more )?(?:then|in that case)\s*(?:[.;!)]|$)", re.I)
_GIVEN = lazy(r"\b(?:give|allow|needs?|takes?|wants?)\b[^.;!?]{0,16}$", re.I)
_LESS = lazy(
    r"\s*(?:less|shorter|fewer)\b|\s*(?:more|longer|extra) (?:for|with)\b(?! (?:the |a |your |its )?(?:lid|heat|foil|cover|rice|grains?|it\b|everything|liquid|water|stock|flavou?rs?|good|all))",
    re.I,
)
_OPENS_A_BRACKET = lazy(r"\s*\((?:or |about |only )*", re.I)
_FOR_SUCH_IN_BRACKETS = lazy(r"\s*(?:for|if|with|when|using)\b(?! (?:the |a )?(?:lid|heat|last|first))", re.I)
# "With turkey it takes 25", "For bigger pieces allow 10 minutes"; "with some stirring it takes 20"
_WITH_SUCH = lazy(
    r"(?:^|[.;!?(\n]\s*)(?:with (?!(?:the |a |its )?(?:lid|heat|cover|foil|flame)|[^.;!?,()\d]{0,30}\b(?:stirring|shaking|turning|care|luck|patience|lid)\b)[^.;!?,()\d]{3,40},? (?:it|this|that|they)(?:'ll)? (?:(?:will|may|might|only|just|usually) )*(?:takes?|needs?|wants?|requires?|cooks?) (?:(?:in|only|just|about|for|up to) )*$"
    r"|for (?:an? |the )?(?:bigger|larger|large|thick|thicker|small|smaller|thin|thinner|bone-in|boneless|frozen|dried|fresh|tinned|canned|tougher|older|younger|chunkier|whole)\b(?! (?:sauce|soup|gravy))[^.;!?()\d]{2,90}$)",
    re.I,
)
_KEPT_SHUT = lazy(
    r"\b(?:then |and )?(?:keep|leave)(?: it| the lid)? (?:shut|closed|covered)(?: for)?(?: about)?\s*$", re.I
)
_RESTS_THE_MEAT = lazy(
    r"\b(?:rest|let) the (?:bird|chicken|turkey|duck|goose|meat|joint|lamb|beef|pork|roast|steaks?|fish)(?: rest| stand)?(?:,? (?:covered|loosely covered|under foil|in foil))?(?: for)?(?: about)?\s*$",
    re.I,
)


def where_things_differ(text: str, start: int, end: int) -> bool:
    """Are minutes at this place told for a thing that is frozen, bigger, boneless or another than the list's? They are not the grain's, whose own minutes were
    told before."""
    before = text[max(0, start - 160) : start]
    return bool(
        _IF_SO.search(before)
        or _IF_IN_BRACKETS.search(before)
        or _WITH_SUCH.search(before)
        or _ADDED_ON.search(before)
        or _IF_BEHIND.match(text, end)
        or _LESS.match(text, end)
        or (_IN_THAT_CASE.match(text, end) and _GIVEN.search(before))
        or (
            (m := _THEY_NEED.search(before))
            and (_IS_SUCH.search(m["what"]) or any(CLASS[k].search(m["what"]) for k in ("MEAT", "VEG", "PULSE")))
        )
    )


def _turned_dry(c: Clause, text: str, s: Stretch) -> bool:
    """Is the grain in the pan, no liquid yet, and the sign one of frying?"""
    if not c.grains or c.before.wet:
        return False
    begins = max(text.rfind(x, 0, s.start) for x in ".!?") + 1
    ends = min((i for x in ".!?" if (i := text.find(x, s.end)) >= 0), default=len(text))
    said = text[max(begins, s.start - 200) : min(ends, s.end + 80)]
    return (
        bool(_TURNED.search(said))
        and (c.before.grain or bool(CLASS["GRAIN"].search(said)))
        and not CLASS["LIQUID"].search(said)
    )


def _chilled_since(timed: Sequence[Timed], blocks: Sequence[Block], n: int, at: int) -> bool:
    """Was something put in the fridge between the last minutes at the heat and this place?"""
    last = next((t for t in reversed(timed) if t.kind in ("heat", "whistles")), None)
    if last is None:
        return False
    if last.block == n:
        return bool(_CHILLED.search(blocks[n].text[last.stretch.end : at]))
    between = [
        blocks[last.block].text[last.stretch.end :],
        *(b.text for b in blocks[last.block + 1 : n]),
        blocks[n].text[:at],
    ]
    return any(_CHILLED.search(t) for t in between)


def _so_far(blocks: Sequence[Block], n: int, at: int) -> str:
    """The last of what was told before a place, over the end of a step."""
    earlier = blocks[n - 1].text[-160:] + " " if n else ""
    return (earlier + blocks[n].text[:at])[-200:]


def _of_another(c: Clause, sorts: Sequence[str] = ()) -> bool:
    """Is it something other than the grain that this clause soaks, or cooks? sorts: of the lines it may name."""
    named = {sorts[x] for x in c.lines if x < len(sorts)}
    if _SOAKS_THE.search(c.text) and named & {"x", "p"} and not named & {"G", "g"} and "grain" not in c.things:
        # "soak the leaves in hot water"
        return True
    solid = [k for k in c.things if k not in ("liquid", "fat", "spice", "sauce")]
    return bool(solid) and "grain" not in solid and c.carried != "grain"


def _goes_on_of_another(p: Place) -> bool:
    """ "Sort and wash the peas; soak overnight": of the thing before it, where no word was of the grain yet."""
    c = p.clause
    if c is None or c.things or c.carried not in ("pulse", "meat") or c.before.grain:
        return False
    return not any("grain" in x.things for x in p.found if (x.block, x.start) < (p.n, p.s.start))


def _by_another(p: Place) -> bool:
    """Does the sentence so far name something else than the grain, and not the grain? "cover the beans with water and leave overnight" """
    told = {k for c in of_sentence(p.found, p.at) for k in c.things} if p.at is not None else set()
    return bool(told & {"meat", "pulse", "veg", "sauce"}) and "grain" not in told


def _half_boiled(p: Place) -> bool:
    """Was it boiled a few minutes and poured off, as what is steamed on is?"""
    boiled = [t for t in p.earlier if t.kind == "heat"]
    return (
        len(boiled) == 1
        and boiled[0].stretch.typical <= HALF_BOILED_MIN
        and any(c.verb == "drain" for c in p.found[: p.at])
    )


def _in_another_pan(p: Place) -> bool:
    """Was the grain drained, and is other food fried since, with no word of the grain?"""
    fried = False
    if p.at is None or not p.found[p.at].before.drained:
        return False
    for c in reversed(p.found[: p.at + 1]):
        if "grain" in c.things:
            return False
        if c.verb == "drain":
            return fried
        fried = fried or (c.verb == "fry" and bool(set(c.things) & {"veg", "meat", "sauce"}))
    return False


def _beside_the_drained(p: Place) -> bool:
    """Was the grain poured off, is only other food told of since, and is the grain told of again? "Strain. Cook the vegetables 8 minutes. Layer with the rice" """
    drained = next((k for k in range((p.at or 0) - 1, -1, -1) if p.found[k].verb == "drain"), None)
    boiled = next((t for t in reversed(p.earlier) if t.kind == "heat"), None)
    if p.at is None or drained is None or boiled is None:
        return False
    off = p.found[drained]
    if (boiled.block, boiled.stretch.start) > (off.block, off.start):
        # it was poured off after its soak, and has been boiled since
        return False
    since = {t for c in p.found[drained + 1 : p.at + 1] for t in c.things}
    again = any("grain" in c.things for c in p.found[p.at + 1 :])
    return again and "grain" not in since and bool(since & {"veg", "meat", "pulse", "sauce"})


def _cooled_and_fried(p: Place) -> bool:
    """Was the grain cooked, cooled, and is it fried since, with nothing poured on it?"""
    fried = False
    for c in reversed(p.found[: p.at + 1] if p.at is not None else []):
        if c.verb in ("cool", "chill"):
            return fried
        if c.verb in ("boil", "cover") or "liquid" in c.things:
            return False
        fried = fried or c.verb == "fry"
    return False


def _steams_alone(p: Place) -> bool:
    """ "Steam 20 minutes, turn over the cake of rice": nothing else is told of in that step."""
    mine = [c for c in p.found if c.block == p.n and c.start <= p.s.start]
    return "steam" in p.before.lower() and not any({"meat", "pulse", "veg"} & set(c.things) for c in mine)


def _only_if(text: str, at: int) -> bool:
    """Does the sentence before this place begin with a condition? A sentence that goes on after "Not yet?" is one with it."""
    before = text[max(0, at - 240) : at]
    parts = re.split(r"(?<!yet\?)(?<=[.!;])\s+|(?<!yet)\?\s+", before, flags=re.I)
    return bool(_ONLY_IF.search(parts[-1]))


_MARK = lazy(r"[\s-]*mark\b")
# minutes at the heat surer than this are the grain's, though it is told of later
SURE_HEAT = 0.95


# "Chicken: …", "Beans - …" at the head of a step
HEADED = lazy(r"\W*(?P<l>[^\W\d_]+(?: [^\W\d_]+){0,2}?)\s?(?::|\s[-–—])\s")
# of words, in what names a part
MOST_OF_A_HEAD = 4
_OTHER_PART = quick(r"\b(?:sprouts|greens|salad|namul|side|sides|dessert|pasta|bread|toppings?)\b", re.I)
_OTHER_FOOD = ("MEAT", "PULSE", "VEG", "SAUCE")


def _in_a_part_of_its_own(p: Place) -> bool:
    """ "Rice: …" and "Chicken: …" each in a line: what the second tells is none of the rice's."""
    m = HEADED.match(p.text)
    section = p.blocks[p.n].section
    head = m["l"] if m else section if len(section.split()) <= MOST_OF_A_HEAD else ""
    if not head or CLASS["GRAIN"].search(head):
        return False
    last = re.sub(r"(?<=[^s])s$", "", head.split()[-1].lower())
    if last not in foods() and not _OTHER_PART.search(head) and not any(CLASS[k].search(head) for k in _OTHER_FOOD):
        return False
    heads = [h["l"] if (h := HEADED.match(b.text)) else b.section for b in p.blocks]
    cooked = any(t.kind == "heat" and t.block < p.n for t in p.earlier)
    return (cooked or any(CLASS["GRAIN"].search(h) for h in heads)) and not CLASS["GRAIN"].search(p.text)


_SPREAD_OUT = lazy(
    r"\b(?:spread|tip|turn)\b[^.;]{0,20}\b(?:on(?:to)?|in|over) (?:an? )?(?:large |wide |big )?(?:plate|tray|platter|thali)\b|\b(?:let|leave|allow)\b[^.;]{0,14}\bcool (?:down )?(?:completely|fully|to room)\b|\bcool(?:ed)? (?:it |the rice )?(?:down )?(?:completely|fully)\b",
    re.I,
)


# "nach 30 Minuten einmal umrühren", "dopo 20 minuti mescolare"
_AFTER_ABROAD = lazy(
    r"\b(?:nach|dopo|après|a los|aos|(?:al|au|ao) (?:cabo|bout|fim) de|pasados|trascorsi|después de|depois de|efter|po|sonra)\s*(?:etwa |circa |ca\.? )?$",
    re.I,
)
_ADDED_ABROAD = lazy(
    r"[^.;!?\d]{0,24}\b(?:añad|agreg|adicion|acrescent|incorpor|ech[ae]|junt|ajout|aggiung|un(?:ire|isci|ite)|(?:da|hin)?zu|geb|kommen|tills|lägg|doda|ekle)\w*",
    re.I,
)


def _within_the_heat(p: Place) -> bool:
    """Are fewer minutes told than of the heat before it?"""
    heats = [t for t in p.earlier if t.kind == "heat"]
    return bool(heats) and p.s.typical < heats[-1].stretch.typical


_STIRRED_ABROAD = quick(
    r"[^.;!?\d]{0,24}\b(?:umrühr|rühr|wend|mescol|gir|remu|tourn|revolv|remov|mex|rör|vänd|miesza|karıştır)\w*", re.I
)


def _boiled_abroad(p: Place) -> bool:
    """ "Lessate il riso per 12 minuti", "lad risene simre under låg i 15 minutter": is it the grain, and nothing else of the sentence?"""
    m = _BOILED_ABROAD.search(p.before)
    if m is None:
        return False
    if CLASS["GRAIN"].search(m["it"]):
        return True
    told = _SENTENCE_SO_FAR.search(p.back(MOST_OF_A_SENTENCE))
    so_far = told[0] if told else ""
    return bool(find_grains(so_far)) and not any(CLASS[k].search(so_far) for k in ("PULSE", "MEAT", "VEG"))


MOST_OF_A_SENTENCE = 160
_SENTENCE_SO_FAR = lazy(r"[^.;!?]*$")


def _spread_out_before(p: Place) -> bool:
    """Was what is cooked already spread on a plate or cooled, since the heat before?"""
    last = next((t for t in reversed(p.earlier) if t.kind in ("heat", "whistles")), None)
    if last is None:
        return False
    told = [b.text for b in p.blocks[last.block : p.n + 1]]
    told[-1] = told[-1][: p.s.start]
    told[0] = told[0][last.stretch.end :] if last.block < p.n else told[0][last.stretch.end : p.s.start]
    return any(_SPREAD_OUT.search(t) for t in told)


def _oil_rises(p: Place) -> bool:
    """The sign of a paste or gravy that is fried down, and of no grain."""
    grainy = p.clause is not None and "grain" in p.clause.things
    return not grainy and bool(_OIL_RISES.search(p.back(110)) or p.after(_TILL_OIL_RISES))


def _doubtful_heat(p: Place) -> bool:
    return p.kind == "heat" and p.sure < SURE_HEAT


# "bring to the boil, 3-4 mins. Reduce heat, cover, 15 mins"
_DOWN_FOR_LONGER = quick(
    r"[.;,]\s*(?:then |and )?(?:reduce|lower|turn)\b[^.;!?\d]{0,60}?\b(?:heat|flame|down|low)\b[^.;!?\d]{0,60}(?P<n>\d{1,2})",
    re.I,
)
LONGEST_COME_UP = 10.0


def _up_to_it(p: Place) -> bool:
    """A bracket, a comma and "about", or longer minutes once it is turned down: without them it may be boiled so long."""
    m = _UP_TO_IT.search(p.back(90)) if p.kind in ("heat", "pan", "other") else None
    sign = m and (m["p"] or m["q"])
    if sign is None or sign == "(" or _ABOUT_SO.match(p.s.text):
        return sign is not None
    down = _DOWN_FOR_LONGER.match(p.text, p.s.end)
    return down is not None and p.s.high <= min(LONGEST_COME_UP, float(down["n"]))


# "cover it with cold water and forget it for half an hour. Drain", "into cold water it goes for 30 minutes, then into a sieve"
_IN_COLD_WATER = lazy(
    r"\b(?:(?:cold|cool|lukewarm|tepid|fresh) water|kalte[mn]? wasser|eau froide|agua fr[ií]a|água fria|acqua fredda|koud water)\b(?:(?!\b(?:boil|heat|hot|simmer|bring|cook|fry|bake)\w*)[^;!?]){0,50}$",
    re.I,
)
_POURED_OFF = lazy(
    r"\W{1,3}(?:then |and |now )*(?:drain|strain|into (?:a|the) (?:sieve|colander|strainer)|(?:tip|pour|throw) (?:the |that |off )?(?:soaking )?(?:water )?(?:away|out|off))\b"
    r"|\s{0,2}(?:(?:stehen|ziehen|quellen) lassen|laten staan)?\W{1,3}(?:(?:dann|puis|poi|y|und|en) )*(?:ab(?:gie(?:ß|ss)|tropf|seih)en|égoutt(?:er|ez)|escurr(?:ir|a|e)|scol(?:are|ate)|afgieten)\b",
    re.I,
)
_SOAKED_BEFORE = quick(rf"\b{SOAKED_ABROAD}\b[^.;!?\d]{{0,30}}$", re.I)
_DONE_SO = lazy(r"\s*gar (?:ziehen|werden|quellen)\b", re.I)
# "until steam comes out (10 min), low 8 min"
_TILL_STEAM = lazy(
    r"\b(?:until|till|when|once)\b[^.;!?(]{0,16}\bsteam (?:comes out|escapes|shows|appears|rises|puffs out)[^.;!?(]{0,20}\(?(?:about |abt |around |~)?\s*$",
    re.I,
)
_THEN_LOW_NOW = lazy(
    r"\)?[\s,.;]*(?:then |turn(?: it)?(?: down)? (?:to )?|reduce (?:to )?|lower (?:to )?)?(?:very |the )?low(?:est)?\b",
    re.I,
)
_COMMA_RESTS = lazy(
    r",\s*(?:and |then )?(?:let (?:it )?)?(?:rest|stand)(?: it)?(?: covered)?(?: for)?(?: about)?\s*", re.I
)
_SHUT_AT_FIRST = lazy(
    r"\b(?:don'?t|do not|never|no) (?:lift|open|peek|look|touch|stir)\w*\b[^.;!?]{0,20}\b(?:for |in |during )?(?:the )?first\s*$",
    re.I,
)
_LEFT_OUT = lazy(
    r"\b(?:leave|left|sit|stand|keep|kept)\b[^.;!?]{0,20}\b(?:out|(?:at|in) (?:room|kitchen) temp\w*|unrefrigerated)\b[^.;!?]{0,20}\b(?:more than|longer than|over|beyond|up to|max\w*)(?: of)?\s*$",
    re.I,
)
# left-overs, not a rest
_DRUNK_LATER = lazy(
    r"\b(?:(?:drink|absorb|thicken|swell|stiffen)s|soaks (?:it |the \w+ )?up|firms up|will (?:drink|absorb|thicken|swell|stiffen|soak up|firm up))\b[^.;!?]{0,40}$",
    re.I,
)
_SOAKS_IT_WHILE = lazy(
    r"\bsoak(?:s|ed|ing)? (?:it|them|that|the rice),? (?:while|whilst)\b[^.;!?]{0,50}?(?:[\s,]+(?:so|for|about|maybe|perhaps|say|roughly|around|probably|at least))*\s*$",
    re.I,
)
# "An hour before you want to cook, put the rice to soak"
_BEFORE_IT_SOAKS = lazy(
    r"\s+before\b[^.;!?]{0,40}?,?\s+(?:put|set|leave|get)\b[^.;!?,]{0,30}\b(?:to soak|soaking|in(?:to)? (?:cold )?water)\b",
    re.I,
)
# "cook for the 10 minutes left" is its cooking
_COOKS_THEM = lazy(r"\b(?:cook|simmer|bake|boil|steam|give)\w*\b[^.;!?]{0,16}$", re.I)
_WASHES = lazy(r"\b(?:rins|wash|under|run|swirl|swish|refresh|cool(?:ed|ing)?\b(?! water))", re.I)
_LEFT_TO_GO = quick(
    r"\s+(?:to go|(?:are )?remain(?:ing|s)?|(?:are )?left|from the end)\b(?! to (?:cool|stand|rest))", re.I
)
_HAS_HAD = lazy(
    r"\b(?:when|once|after) (?:it|that|the (?:rice|grains?|pot)) (?:has|have|'s) had(?: its| about)?\s*$", re.I
)
_BY_ITS_OWN_HEAT = lazy(
    r"\b(?:residual|remaining|stored|left-?over|carried) (?:heat|warmth|steam)\b[^.;!?\d]{0,40}$", re.I
)
_STAYS_HOT = lazy(
    r"\b(?:(?:will|'ll|can|should) (?:keep|stay)|keeps|stays) (?:hot|warm) (?:like this |so )?(?:for )?(?:up to |about |a good )?$",
    re.I,
)
_LID_IN_A_CLOTH = lazy(
    r"\bwrap(?:ped|ping)? (?:the )?lid (?:in|with) [^.;!?]{2,30}\b(?:back|on)(?: (?:again|top))?,?(?: for)?(?: about)?\s*$",
    re.I,
)
_ON_LOW_BEHIND = lazy(
    r"\s*(?:leave|let|keep) (?:it|the \w+) (?:alone |be |undisturbed |well alone |bubbling |ticking over )*(?:over|on|at) (?:a |the )?(?:very )?(?:low(?:est)?|gentle|small(?:est)?|tiny)\b",
    re.I,
)
_THEN_VENTED = lazy(
    r"[\s,;.]*(?:(?:and )?then|before|and)\b[^.;!?]{0,16}\b(?:vent\w*|quick[- ]release|release (?:the |any |all )?(?:rest|remaining|steam|pressure|valve)|let(?:ting)? (?:out|off) (?:the |any |all )?(?:rest|steam|pressure))\b"
    r"|\s*(?:for|until|till) (?:the |all )?(?:the )?(?:pressure|steam|pin)\b(?: has| is)? (?:to )?(?:go|gone|drop|fall|come|released|subside)",
    re.I,
)
_ITS_CYCLE = lazy(
    r"(?<!saut[eé] )(?<!brown )(?<!browning )\b(?:cycle|program(?:me)?|setting|mode)\b\s*[(,:–—-]?\s*(?:it )?(?:takes |about |~)*$",
    re.I,
)
_MICROWAVED = lazy(
    r"\b(?:microwave|zap|nuke) (?:the |your )?(?P<of>(?!(?:it|them|all|everything|on|at|uncovered|covered|dish|bowl|lot|mix\w*|pot)\b)[\w ]{2,30}?)(?: for)?(?: about)?\s*$",
    re.I,
)


_LAST_ABROAD = quick(
    r"\b(?:a falta de|cuando (?:falten|faltan|queden)|quando mancano|quand il reste|quando faltarem|[úu]ltim[oa]s|ultimi|derni[eè]re?s|letzten|laatste|sista|siste|sidste|ostatnie)\s*$",
    re.I,
)
_SHAPED_FIRST = quick(
    r"\b(?:press|pack|pat|shape|form|spoon|tip|turn|put)\w*\b[^.;]{0,40}\b(?:loaf|loaves|patt(?:y|ies)|burgers?|cakes|croquettes|balls)\b|\b(?:lined|greased|buttered|oiled) (?:loaf )?tin\b|\broll(?:ed|s)?\b(?: (?:it|them|the leaves))? ?up\b",
    re.I,
)
_BAKED = lazy(r"\b(?:bak\w+|oven)\b[^.;]{0,30}$|\b3[2-7][05] ?(?:°|F|degrees|for)[^.;]{0,12}$", re.I)
_CORED = lazy(
    r"\b(?:core|trim|separate|halve|peel)\w*\b[^.;]{0,30}\b(?:cabbage|leaves|chard|peppers|courgettes|squash|cauliflower)\b[^.;]{0,12}\b(?:boil|blanch|steam|simmer)\w*\b[^.;]{0,12}$",
    re.I,
)


_COVERED_FOR = lazy(
    r"\bcover(?:ed)?(?: it| the pot)?(?: and (?:leave|keep|let)(?: it)?)?(?: for)?(?: about)?\s*$", re.I
)
_TILL_DONE = lazy(
    r"\b(?:cook|boil|simmer)\b[^.;!?]{0,80}\b(?:till|until) (?:just |almost |nearly |it is |it's )?(?:done|cooked|tender|soft),? ?(?:about |abt )?$",
    re.I,
)
_THEN_OUT = lazy(r"[\s,.;]*(?:and |then )+(?:spread|fluff|fork|tip|turn out|serve|cool)\b", re.I)


_TILL_THICK = lazy(r",? (?:till |until )?(?:it's |it is )?(?:thick|creamy)\b", re.I)
_STIRRED_LOW = quick(r"\b(?:low|simmer|stir\w*|gently)\b", re.I)
_CLICKS_AT = lazy(r"\b(?:clicks|beeps|switches off|pops up)(?: off)? \((?:about |abt |after |ca\.? |~ ?)*$", re.I)
_DRIED_OFF = quick(
    r"\bdrain\w*\b[^.;]{0,30}\b(?:back (?:in|into|to|on)|return(?:ed|ing)?(?: it| the \w+)? to)\b[^.;]{0,20}\b(?:pan|pot|saucepan)\b(?:[^.;]{0,30}|[^.;]{0,12}\.\s)\b(?:towel|cloth|lid|cover\w*|kitchen paper)\b[^.;\d]{0,20}$",
    re.I,
)
# what sets in a bain-marie is the custard around grain that is done
_WATER_BATH = lazy(
    r"\b(?:in|into) (?:an? |the |another )?(?:larger |deep |roasting |shallow )?(?:pan|tin|tray|dish|bain[- ]marie)\b(?: (?:half )?(?:of|with|filled with))?[^.;]{0,16}\bwater\b[^.;]{0,40}\bbak(?:e|ed|ing)\b",
    re.I,
)
_OFF_UNDER_CLOTH = quick(
    r"\b(?:out of|off|away from|from) the (?:fire|heat|flame)\b[^.;]{0,20}\b(?:cloth|towel|newspaper|paper)\b[^.;\d]{0,14}$",
    re.I,
)
_COOL_A_LITTLE = lazy(r"\bcool(?: it)?(?: for)?(?: about)?\s*$", re.I)
_TO_SERVE = quick(r"\s*(?:(?:if|to) (?:serv|eat)|before (?:serv|eat))\w*\b", re.I)
_LEFT_IN_A_SIEVE = lazy(
    r"\b(?:leave|let|stand|sit|keep|rest)\b[^.;,]{0,20}\b(?:on|in) (?:an? |the )?(?:sieve|colander|strainer|zaru|basket|chalni)\b[^.;,\d]{0,12}$",
    re.I,
)
_SOAKED_IN_BRACKETS = lazy(r"(?P<of>[^.;,()]{3,40})\((?:pre-?)?soaked(?: for)?(?: about| abt)?\s*$", re.I)
_STARTS_TO_STEAM = lazy(
    r"\b(?:starts?|begins?) (?:to )?(?:steam|boil|bubbl)(?:ing)?,? \(?(?:around |about |after |abt |approx\.? |~ ?)*$",
    re.I,
)
_PAPER_ON_TOP = lazy(
    r"(?:^|[.;!]\s*)(?:then )?(?:an? |the |your |clean |damp |some )*(?:newspaper|cloth|tea[- ]?towel|towel|foil)\s+(?:on top|over(?: it| the top| the pan)?),?(?: for)?\s*$",
    re.I,
)
_PICKLES = lazy(
    r"\b(?:to|and|let (?:it|them)|leave (?:it|them) to) (?:quick[- ]?)?(?:pickle|marinate|macerate|cure|brine)\b[^.;!?]{0,50}$",
    re.I,
)
_STRONG_FIRE = quick(
    r"\s*(?:on |over |at )?(?:an? )?(?:strong|high|hard|full|big|fierce)(?: (?:fire|flame|heat))?[,;]?\s*(?:then |and )*",
    re.I,
)
_SOFT_FIRE = quick(r"\s*(?:on |over |at )?(?:an? )?(?:soft|slow|weak|low|gentle|small|medium)\b", re.I)
_AFTER_SO_LONG = lazy(r"\b(?:after|when) (?:the |those |these |its |your )?(?:about )?$", re.I)
_TAKE_IT_OFF = lazy(
    r"(?: are up| is up| have passed)?,?\s*(?:just |then )?(?:(?:take|turn|switch|remove|pull|slide|move|lift)\b[^.;,]{0,24}\b(?:off|from)\b|(?:heat |fire |flame )?off\b)",
    re.I,
)
_MINUS = lazy(r"\b(?:packet|package|pack|box|bag|label|says?|stated|directed)\b[^.;]{0,24}\b(?:minus|less) $", re.I)
_TAKES_TO_FALL = lazy(
    r"\b(?:natural(?:ly)?(?: pressure)? release|release naturally|npr)\b[.,;:]?\s*(?:(?:this|it|which|that) )?(?:will )?takes? (?:about |around |roughly |abt )?$",
    re.I,
)
_LIKE_PASTA = lazy(r"\b(?:boil|cook)\b[^.;\d]{0,60}\blike pasta\b,?\s*(?:for )?(?:about )?$", re.I)


def _shaped_before(p: Place) -> bool:
    """Was what is baked shaped since the grain was at its heat?"""
    last = next((t for t in reversed(p.earlier) if t.kind == "heat"), None)
    if last is None:
        return False
    between = (
        p.text[last.stretch.end : p.s.start]
        if last.block == p.n
        else "\n".join(b.text for b in p.blocks[last.block + 1 : p.n]) + "\n" + p.text[: p.s.start]
    )
    return bool(_SHAPED_FIRST.search(between))


_ROASTS_DRY = quick(
    rf"\b(?:dry[- ]?)?(?:roast|toast)(?:ed|ing)?\b[^.;!?]{{0,40}}\b(?:rice|grits|grains?|{OTHER_GRAINS})\b[^.;!?]{{0,60}}$",
    re.I,
)
# "Night before: cook the rice, chill it": when, and not how long
_WHEN = lazy(r"\s*(?::|[-–—]\s|, (?:rinse|wash|cook|boil|make|prepare)\b)", re.I)
_COOKED_THEN = lazy(r"(?:(?!\b(?:soak|steep|leave)\b)[^.!?]){0,90}\b(?:cook|boil|make|prepare|steam)\b", re.I)
_IN_THE_OVEN = lazy(r"\b(?:oven|tray|baking sheet)\b", re.I)


def _roasts_dry(p: Place) -> bool:
    """The grain itself, in a pan, before anything is poured on it."""
    said = p.back(120)
    dry = p.clause is None or not p.clause.before.wet
    return dry and _ROASTS_DRY.search(said) is not None and not _IN_THE_OVEN.search(said)


_FRIED_SO_LONG = lazy(
    r"\b(?:stir[- ])?fry(?:ing)?(?: (?:it|them|everything|all|the \w+))?(?: for)?(?: another| about)?\s*$", re.I
)
_LID_OFF_FOR = lazy(r"\b(?:lid|foil|cover) off(?: for)?(?: (?:the )?last)?\s*$", re.I)
_THEN_RESTS = lazy(r"[\s,.;]*(?:then |and |let (?:it )?)*(?:rest|stand|sit)\b", re.I)


_BOILS_THE_SOAKED = lazy(
    r"\b(?:par-?boil|boil|cook|simmer|steam|bake)\b(?: (?:the|your|this|all|drained|and|rinsed)){0,4}(?: pre)?[ -]soaked\b[^.;!?]*$",
    re.I,
)
_SOAKED_AND_COOKED = lazy(
    r"\bsoak\b[^.;!?]{0,70}\band (?:then )?(?:cook|boil|simmer)(?: (?:it|them|the rice|gently|slowly|covered))*(?: for)?(?: about)?\s*$",
    re.I,
)
RULES = (
    Rule(
        "Soak the rice in 500 ml water and cook it 12 minutes", "heat", 0.85, leaves="",
        fits=lambda p: _SOAKED_AND_COOKED.search(p.back(120)) and not _by_another(p),
    ),
    Rule("Dry roast the semolina on a low flame for 5 mins", "toast", 0.95, fits=lambda p: not p.had("heat") and _roasts_dry(p)),
    Rule(
        "Roast the semolina, keep aside. Add the carrots, cover, cook 5 mins. Add the semolina", "other", 0.93,
        fits=lambda p: p.kind in ("heat", "rest") and not p.had("heat") and p.had("toast") and p.at is not None and not p.found[p.at].before.grain
        and any(c.before.grain for c in p.found[: p.at]) and entered(p.found, p.at, p.enters) == "later",
    ),
    Rule("Night before: rinse the rice, cook it", "other", 0.9, leaves="", fits=lambda p: p.kind in ("heat", "soak", "rest") and p.s.unit == "word" and p.after(_WHEN) and p.after(_COOKED_THEN)),
    Rule(
        "Boil it in a big pot of salted water like pasta, 14 minutes", "heat", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "pan") and not p.had("heat") and _LIKE_PASTA.search(p.back(120)) and CLASS["GRAIN"].search(p.back(160)),
    ),
    Rule("Rest 5 minutes. Leave at least 1 hour before eating.", "other", 0.8, lambda p: p.kind == "rest" and not p.short and p.had("rest"), leaves="rest"),
    Rule("Rest 15 min before carving.", "other", 0.93, lambda p: p.after(_TO_CARVE)),
    Rule("Boil the soaked rice in salted water for 6 minutes", "heat", 0.9, lambda p: p.kind in ("soak", "other") and _BOILS_THE_SOAKED.search(p.back(140)), leaves=""),
    Rule("20 minute soak in the bowl", "soak", 0.93, lambda p: not p.had("heat") and p.after(_SOAK_BEHIND) and not _by_another(p), leaves=""),
    Rule(
        "Boil 40 min. Mix all, press into a loaf tin. Bake 45 min", "other", 0.85, leaves="",
        fits=lambda p: p.kind == "heat" and p.had("heat") and _BAKED.search(p.before) and _shaped_before(p),
    ),
    Rule(
        "Cook rice 10 min. Core the cabbage, boil 10 min", "other", 0.9, leaves="",
        fits=lambda p: p.had("heat") and _CORED.search(p.back(90)),
    ),
    Rule(
        "It simmers 12 minutes. Fry the carrots in the oil 4 minutes", "other", 0.85, leaves="",
        fits=lambda p: p.kind == "heat" and p.had("heat") and p.clause is not None and p.clause.verb == "fry" and p.clause.things and "grain" not in p.clause.things and p.clause.carried != "grain",
    ),
    Rule(
        "Lasciare in frigo 2 ore", "other", 0.95, leaves="",
        fits=lambda p: p.kind in ("heat", "rest") and p.clause is not None and p.clause.verb == "chill" and not p.clause.before.off,
    ),
    Rule(
        "Cool & chill for 4 hours", "other", 0.95, leaves="",
        fits=lambda p: p.s.typical >= LONG_COOL_MIN and p.had("heat", "whistles") and p.clause is not None
        and (p.clause.verb == "cool" and not p.clause.before.off or _COOLED.search(p.before[-30:]) is not None),
    ),
    Rule(
        "Cook with 4 cups of water till just done, 15 mins", "heat", 0.85, leaves="",
        fits=lambda p: p.kind == "other" and not p.had("heat") and _TILL_DONE.search(p.back(120)) and CLASS["GRAIN"].search(p.text[: p.s.start]) and not _by_another(p),
    ),
    Rule(
        "open pot till just done, 15 mins, cover for 5 mins then spread", "rest", 0.85, leaves="heat",
        fits=lambda p: p.kind in ("heat", "other") and p.had("heat") and not p.had("rest") and _COVERED_FOR.search(p.before) and p.after(_THEN_OUT),
    ),
    Rule("for the time on the packet minus 2 minutes (about 12)", "other", 0.93, lambda p: _MINUS.search(p.before), leaves=""),
    Rule("natural release. Takes 20 minutes", "release", 0.85, lambda p: p.had("heat") and _TAKES_TO_FALL.search(p.back(70)), leaves=""),
    Rule(
        "set the timer to 10 min. After 10 min take it off the heat", "from_start", 0.9, leaves="",
        fits=lambda p: _AFTER_SO_LONG.search(p.before) and p.after(_TAKE_IT_OFF) and any(t.kind == "heat" and t.stretch.typical == p.s.typical for t in p.earlier),
    ),
    Rule("at minute 12", "from_start", 0.99, lambda p: p.s.unit == "minute"),
    Rule(
        "60 Minuten backen, nach 30 Minuten umrühren", "from_start", 0.85, leaves="",
        fits=lambda p: p.had("heat") and _AFTER_ABROAD.search(p.before) and p.after(_STIRRED_ABROAD),
    ),
    Rule(
        "Cocer 16 minutos; a los 12 minutos añadir", "from_start", 0.9, leaves="",
        fits=lambda p: _AFTER_ABROAD.search(p.before) and p.after(_ADDED_ABROAD) and _within_the_heat(p),
    ),
    Rule(
        "at the 10 minute mark", "from_start", 0.9, leaves="",
        fits=lambda p: p.after(_MARK),
    ),
    Rule(
        "Rice: 2 cups, low 20 min. / Chicken: brown 8 min, cover 25", "other", 0.93, leaves="",
        fits=lambda p: p.kind in ("heat", "rest", "release", "come_up", "pan", "toast") and _in_a_part_of_its_own(p),
    ),
    Rule("bring to the boil ~7m, low 12m", "heat", 0.93, lambda p: p.kind in ("come_up", "other", "rest") and p.since("come_up", _THEN_LOW)),
    Rule(
        "cover the rice with cold water and forget it for half an hour. Drain", "soak", 0.85, leaves="",
        fits=lambda p: not p.had("heat") and _IN_COLD_WATER.search(p.before) and not _WASHES.search(p.back(120)) and p.after(_POURED_OFF) and not _by_another(p),
    ),
    Rule("Seal, 6 minutes. Wait 10 minutes, then vent the rest", "release", 0.9, lambda p: p.had("heat", "whistles") and p.after(_THEN_VENTED), leaves=""),
    Rule("Rice cooker: normal cycle (40 minutes)", "heat", 0.85, lambda p: p.cookers and not p.had("heat") and _ITS_CYCLE.search(p.before), leaves=""),
    Rule("lasciarlo a bagno mezz'ora, poi scolare", "soak", 0.9, lambda p: not p.had("heat") and _SOAKED_BEFORE.search(p.before) and not CLASS["PULSE"].search(p.back(90)), leaves=""),
    Rule("in etwa einer Viertelstunde gar ziehen lassen", "heat", 0.85, lambda p: p.after(_DONE_SO), leaves=""),
    Rule("An hour before you want to cook, put the rice to soak", "soak", 0.85, lambda p: not p.had("heat") and p.after(_BEFORE_IT_SOAKS) and not any(CLASS[k].search(p.text[p.s.end : p.s.end + 90]) for k in _OTHER_FOOD), leaves=""),
    Rule("With 5 minutes to go, scatter the peas on", "from_end", 0.9, lambda p: p.had("heat") and p.after(_LEFT_TO_GO) and not _COOKS_THEM.search(p.before), leaves=""),
    Rule("When the rice has had 10 minutes, stir in the peas", "from_start", 0.9, lambda p: _HAS_HAD.search(p.before), leaves=""),
    Rule("The residual heat finishes it in 10 minutes", "rest", 0.88, lambda p: p.had("heat") and _BY_ITS_OWN_HEAT.search(p.before), leaves=""),
    Rule("don't leave it out for more than 4 hours", "other", 0.97, lambda p: p.kind in ("rest", "soak", "heat") and _LEFT_OUT.search(p.before)),
    Rule("Medium heat until steam comes out (10 min), low 8 min", "come_up", 0.85, lambda p: p.kind in ("heat", "other") and not p.had("heat") and _TILL_STEAM.search(p.before) and p.after(_THEN_LOW_NOW), leaves="heat"),
    Rule("low 12 mins, rest 10 mins. Meanwhile grill the chops", "rest", 0.93, lambda p: p.kind in ("other", "rest", "heat") and p.since("heat", _COMMA_RESTS), least=True, leaves="other"),
    Rule("1 whistle. off. open after 10 mts", "release", 0.85, lambda p: p.kind in ("rest", "other", "heat") and p.had("whistles") and _OPENED_AFTER.search(p.before), leaves="rest"),
    Rule("Don't lift the lid the first 20 min", "other", 0.95, lambda p: p.kind in ("rest", "heat") and _SHUT_AT_FIRST.search(p.before), leaves=""),
    Rule("it drinks the rest up overnight", "other", 0.9, lambda p: p.kind in ("rest", "soak", "heat") and p.had("heat") and not p.short and _DRUNK_LATER.search(p.before), leaves=""),
    Rule("It will keep hot for 30 minutes", "other", 0.88, lambda p: p.had("heat") and _STAYS_HOT.search(p.before), leaves=""),
    Rule("Wrap the lid in a towel and put it back for 10 minutes", "rest", 0.8, lambda p: p.had("heat") and not p.had("rest") and _LID_IN_A_CLOTH.search(p.before), leaves="heat"),
    Rule("for the next 15 minutes leave it alone over a low heat", "heat", 0.9, lambda p: p.after(_ON_LOW_BEHIND) and not _by_another(p), leaves=""),
    Rule("Microwave the peas for 2 minutes", "other", 0.9, lambda p: p.had("heat") and p.kind in ("heat", "pan", "rest", "other") and (m := _MICROWAVED.search(p.before)) and not find_grains(m["of"]), leaves=""),
    Rule("8 whistles, medium heat (20 min); 2 whistles / 12 mins", "other", 0.95, lambda p: p.since("whistles", _SAME_SAID) or p.since("whistles", OR_SO_LONG)),
    Rule("12-14 min (easy-cook 16); 2 whistles (or 1 and 4 min sim)", "other", 0.95, lambda p: p.kind == "heat" and p.since("heat", _OTHER_SORT) or (p.since("heat", _IN_A_BRACKET_SOON) and p.after(_FOR_A_SORT)) or (p.kind == "heat" and p.had("whistles", "heat") and _OR_ELSE.search(p.before)) or (p.kind == "soak" and p.since("soak", _OTHER_SORT))),
    Rule("Soak rice 1 hour. Boil in the salted water 6 minutes, drain.", "heat", 0.9, lambda p: p.kind in ("other", "pan", "soak") and not p.had("heat") and _IN_SALTED.search(p.before) and p.after(_THEN_DRAINED)),
    Rule("From frozen: microwave 3 minutes", "other", 0.95, lambda p: p.kind in ("heat", "pan", "other") and p.had("heat") and _FROM_COLD.search(p.before), least=True, leaves=""),
    Rule("simmer 5 min if you want it thicker", "other", 0.9, lambda p: p.kind in ("heat", "pan", "rest") and p.after(_IF_WANTED), leaves=""),
    Rule("HIGH 1½ hours or LOW 3", "other", 0.97, lambda p: p.since("heat", _OTHER_SETTING)),
    Rule("25 minutes, or at 350F for 35 minutes, or 45 at 325F", "other", 0.95, lambda p: p.since("heat", OR_ELSEWHERE) or _another_such(p)),
    Rule("romero los últimos 2 min", "from_end", 0.93, lambda p: _LAST_ABROAD.search(p.before)),
    Rule("scatter the peas over 4 minutes before the end", "from_end", 0.98, lambda p: p.after(_BEFORE_THE_END)),
    Rule("strain, drain 5 minutes", "other", 0.93, lambda p: p.kind in ("heat", "pan", "soak") and _DRIPS.search(p.before)),
    Rule("toss all, leave 30 min for the flavours", "other", 0.9, lambda p: p.after(_FOR_FLAVOUR) and not CLASS["COVER"].search(p.before)),
    Rule(
        "tip the rice in. Count 6 minutes from when it boils", "heat", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "pan", "come_up") and _COUNTED.search(p.before) and not _by_another(p),
    ),
    Rule("she soaks it while the onions fry, so maybe half an hour", "soak", 0.85, lambda p: not p.had("heat") and p.clause and p.clause.grains and _SOAKS_IT_WHILE.search(p.back(110)), leaves=""),
    Rule("into the pot, 20 minutes standing before heat", "soak", 0.9, lambda p: not p.had("heat") and p.after(_BEFORE_HEAT)),
    Rule(
        "odstaw 10 minut; laat 10 min. staan; diamkan 15 menit", "rest", 0.9,
        lambda p: p.short and p.kind in ("other", "heat", "soak") and (p.had("heat", "whistles") or p.cookers) and (_LEFT_ABROAD.search(p.before) or p.after(_LEFT_BEHIND)),
    ),
    Rule("Out of the oven, stir hard. Lid back, 3 min.", "rest", 0.85, lambda p: p.had("heat") and _LID_BACK.search(p.before) and (_TAKEN_OFF.search(p.text[: p.s.start]) or p.had("release")) and not (p.clause and p.clause.verb in ("cook", "fry")), leaves=""),
    Rule("Taste from 16 mins; mine's usually there at 18", "heat", 0.85, lambda p: p.s.bare and _THERE_AT.search(p.before)),
    Rule("Rose water, 5 more off the fire", "rest", 0.9, lambda p: p.had("heat") and p.after(_OFF_THE_FIRE), leaves=""),
    Rule(
        "Cover. Simmer 45 min, turn twice, till the rice pokes out", "heat", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "pan", "heat") and p.clause and p.clause.verb in ("cook", "boil") and p.after(_TILL_THE_GRAIN),
    ),
    Rule(
        "Pour the tamarind in, it must boil till oil comes on top, 20 to 25 minutes", "other", 0.97, leaves="",
        fits=lambda p: p.kind == "other" and _oil_rises(p),
    ),
    Rule("fry the pepper until the oil floats, 20 minutes", "pan", 0.95, _oil_rises, least=True, leaves=""),
    Rule(
        "boil the chicken with bay and an onion 45 min, keep the broth", "other", 0.9, leaves="",
        fits=lambda p: p.kind in ("heat", "pan") and p.at is not None and _by_another(p) and p.after(_BROTH_KEPT),
    ),
    Rule(
        "If you go out: wrap the pot in a duvet for 2 hours instead", "other", 0.93, leaves="",
        fits=lambda p: p.kind in ("heat", "rest", "soak") and p.after(_INSTEAD) and p.had("heat"),
    ),
    Rule(
        "3 whistles, spread on a plate to cool … add the rice, simmer 2 mins", "other", 0.93, leaves="",
        fits=lambda p: p.kind in ("heat", "whistles", "toast") and p.s.unit != "whistle" and p.s.typical <= LONGEST_WARMING and p.had("heat", "whistles") and _spread_out_before(p),
    ),
    Rule("saves you 10 minutes of gas", "other", 0.95, lambda p: _SAVED.search(p.before)),
    Rule(
        "lid off till craters, 12 min. Cloth round the lid. Lowest. 30 min.", "heat", 0.85, least=True, leaves="",
        fits=lambda p: (_AT_LOWEST.search(p.before) or (p.after(_LOW_BEHIND) and p.clause and p.clause.before.wet)) and p.clause and p.clause.grains and p.clause.before.grain and not p.clause.before.off and not _by_another(p),
    ),
    Rule("stir every 4 minutes", "other", 0.98, lambda p: _EVERY.search(p.before)),
    Rule(
        "wash the rice and leave it in cold water for half an hour", "soak", 0.9, leaves="",
        fits=lambda p: p.kind in ("other", "rest", "heat") and not p.had("heat") and _LEFT_IN_WATER.search(p.back(120)),
    ),
    Rule("4 whistles, then sim 5 minutes", "heat", 0.93, lambda p: p.since("whistles", _THEN_LOW), leaves=""),
    Rule("let it stand, spread out, 33 minutes to cool", "other", 0.95, lambda p: p.kind in ("rest", "heat") and p.after(_TO_COOL), leaves=""),
    Rule(
        "The rice: cooks on low, closed (20 min); loosen it", "heat", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "pan") and not p.had("heat") and _COOKS_SO_LONG.search(p.back(160)) and not _by_another(p),
    ),
    Rule("10 min keep warm", "rest", 0.9, lambda p: p.cookers and p.after(_KEEP_WARM_BEHIND), leaves=""),
    Rule("Take the foil off and give it another 10 minutes", "heat", 0.85, lambda p: (p.kind in ("rest", "other") and p.had("heat") and _UNCOVERED_AGAIN.search(p.back(90) + p.s.text)) or (_BARED_AND_BAKED.search(p.back(60)) and p.after(_MORE_OF_IT)), leaves=""),
    Rule("12 min low, 10 min off", "rest", 0.93, lambda p: p.short and p.after(_OFF_BEHIND) and p.had("heat"), leaves=""),
    Rule("Done in 20 min, one pan", "other", 0.97, lambda p: _READY_IN.search(p.before) and p.had("heat")),
    Rule("35 minutes, then 10 without the lid (so 45 in total)", "other", 0.97, lambda p: p.after(SUMMED) and p.had("heat")),
    Rule(
        "if it is still hard, another 5", "other", 0.98,
        lambda p: _only_if(p.text, p.s.start) or (_IN_BRACKETS.search(p.before) and p.after(_IF_NOW)),
    ),
    Rule("Bone-in pieces need 10 minutes longer, frozen ones 5 more", "other", 0.95, lambda p: p.kind in ("heat", "other") and p.had("heat", "whistles") and where_things_differ(p.text, p.s.start, p.s.end), least=True, leaves=""),
    Rule("18 minutes (25 minutes for bone-in pieces)", "other", 0.95, lambda p: p.since("heat", _OPENS_A_BRACKET) and p.after(_FOR_SUCH_IN_BRACKETS), leaves=""),
    Rule("can be made the day before and kept; then bake 45 minutes", "other", 0.95, lambda p: _MADE_AHEAD.search(p.back(160))),
    Rule(
        "Turn it down and cover it. / Twenty five minutes.", "heat", 0.85, leaves="",
        fits=lambda p: p.n > 0 and p.text.strip(" .!") == p.s.text and p.clause and p.clause.before.grain
        and _LOW_AND_COVERED.search(p.blocks[p.n - 1].text),
    ),
    Rule(
        "Sort and wash the peas; soak overnight. Drain.", "other", 0.88, leaves="",
        fits=lambda p: p.clause and "soak" in p.clause.text.lower() and _goes_on_of_another(p),
    ),
    Rule("Soak the pot right away, 10 minutes", "other", 0.95, lambda p: _SOAKS_THE_POT.search(p.before)),
    Rule("Cover w/ foil. 350 - 1 hr.", "heat", 0.85, lambda p: p.kind in ("other", "rest", "pan") and _AT_SO_HOT.search(p.before) and not p.had("heat"), leaves=""),
    Rule("pour it over and let it drink for 20 minutes", "rest", 0.9, lambda p: p.kind in ("heat", "other", "pan") and _DRINKS.search(p.before) and p.had("heat"), leaves="other"),
    Rule("Warm the coconut milk, 5 minutes", "other", 0.85, lambda p: p.kind in ("heat", "rest", "pan") and _WARMS_ANOTHER.search(p.before) and not p.s.bare, leaves=""),
    Rule("Pre-heat the flask with hot water for 5 minutes", "other", 0.93, lambda p: _WARMS_A_VESSEL.search(p.before)),
    Rule("Steam 5 minutes with the fire off", "rest", 0.93, lambda p: p.short and p.after(_WITH_THE_HEAT_OFF), leaves=""),
    Rule("Off, let it draw 10", "rest", 0.88, lambda p: p.kind in ("other", "heat") and _DRAWS.search(p.before) and p.had("heat"), leaves=""),
    Rule("when it clicks leave it 10", "rest", 0.9, lambda p: p.cookers and _CLICKED.search(p.back(110)), least=True),
    Rule(
        "bake an hour; check at 50 minutes", "from_start", 0.9, leaves="",
        fits=lambda p: p.kind in ("heat", "other", "pan") and _CHECKED_AT.search(p.before) and (p.had("heat") or p.after(_MINE_TOOK) or p.after(_THERE_LATER) or p.after(_ALL_TOLD)),
    ),
    Rule("15 minutes. Rest 5 minutes.", "rest", 0.95, lambda p: p.kind == "rest" and p.short and _RESTS_NOW.search(p.before) and p.had("heat") and not p.had("rest"), least=True, leaves="other"),
    Rule(
        "Cover, low, 15. Rest 5.", "rest", 0.9, least=True, leaves="other",
        fits=lambda p: p.short and _RESTS_NOW.search(p.before) and p.had("heat") and not p.had("rest"),
    ),
    Rule(
        "add rice; cook, stirring, until golden, 5 minutes", "toast", 0.85, leaves="",
        fits=lambda p: p.kind in ("heat", "pan") and p.clause and _turned_dry(p.clause, p.text, p.s),
    ),
    Rule(
        "The night before (or 2 hours ahead) wash the rice and leave it in cold water", "soak", 0.85, leaves="",
        fits=lambda p: _NIGHT_BEFORE.match(p.text, p.s.start) and not p.had("heat"),
    ),
    Rule(
        "wash the rice, salt, leave it 30 minutes", "soak", 0.8, leaves="",
        fits=lambda p: p.kind in ("other", "rest", "heat", "release") and not p.had("heat", "pan", "come_up", "toast")
        and (_WASHED_AND_LEFT.search(_so_far(p.blocks, p.n, p.s.start)) or (_LEFT.search(p.before) and p.after(_THEN_STARTED))),
    ),
    Rule(
        "soak the rice and the dal for 30 minutes", "soak", 0.95, least=True, leaves="",
        fits=lambda p: not p.had("heat") and _SOAKED_TOGETHER.search(as_rice(p.back(90))),
    ),
    Rule(
        "soak the split peas 1 hour", "other", 0.9, leaves="",
        fits=lambda p: p.kind == "soak" and p.clause and (_of_another(p.clause, p.sorts) or _by_another(p)) and not _SOAKED_TOGETHER.search(as_rice(p.back(90))),
    ),
    Rule(
        "Drain, back into the hot pan, tea towel over, 5 min", "rest", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "heat") and p.had("heat") and _DRIED_OFF.search(p.back(110)),
    ),
    Rule(
        "Beat in the eggs. Stand dish in pan of hot water and bake 50 minutes", "other", 0.85,
        fits=lambda p: p.had("heat") and _WATER_BATH.search(p.back(110)),
    ),
    Rule(
        "Out of the fire, a cloth on top 5'", "rest", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "heat") and p.had("heat") and _OFF_UNDER_CLOTH.search(p.before),
    ),
    Rule(
        "Remove from heat, stir in vanilla. Cool 10 minutes to serve warm", "rest", 0.8, leaves="",
        fits=lambda p: p.kind == "other" and p.had("heat") and not p.had("rest") and _COOL_A_LITTLE.search(p.before) and p.after(_TO_SERVE) and _TAKEN_OFF.search(p.text[: p.s.start]),
    ),
    Rule(
        "soak 30min, leave on sieve 10min", "other", 0.9, leaves="",
        fits=lambda p: p.kind in ("rest", "soak", "heat", "pan") and not p.had("heat") and _LEFT_IN_A_SIEVE.search(p.before),
    ),
    Rule(
        "1.5 c short grain rice (soaked 15 min, drained)", "soak", 0.9, leaves="",
        fits=lambda p: p.kind != "soak" and not p.had("heat") and (m := _SOAKED_IN_BRACKETS.search(p.back(60))) and find_grains(m["of"]),
    ),
    Rule(
        "10 min high, 8 low. Newspaper on top 5 min", "rest", 0.8, leaves="heat",
        fits=lambda p: p.had("heat") and _PAPER_ON_TOP.search(p.before),
    ),
    Rule("Set aside to pickle, tossing, at least 10 minutes", "other", 0.9, leaves="", fits=lambda p: p.kind in ("rest", "soak", "heat") and _PICKLES.search(p.back(90))),
    Rule("8' strong fire, 10' soft", "heat", 0.85, leaves="", fits=lambda p: p.kind in ("other", "pan", "rest") and p.since("heat", _STRONG_FIRE) and p.after(_SOFT_FIRE)),
    Rule(
        "everything except the rice in the cooker, low 6-7 hours. Stir in the rice", "other", 0.95, leaves="",
        fits=lambda p: p.kind in ("heat", "rest", "soak") and p.clause and not p.clause.before.grain and p.at is not None and entered(p.found, p.at, p.enters) == "later"
        and leaves_out_grain(" ".join(b.text for b in p.blocks[: p.n]) + p.text[: p.s.start]),
    ),
    Rule(
        "simmer the chicken 25 minutes. Wash the rice", "other", 0.75, leaves="",
        fits=lambda p: _doubtful_heat(p) and p.at is not None and entered(p.found, p.at, p.enters) == "later" and not _steams_alone(p),
    ),
    Rule(
        "Fish in the milk, bring to a simmer, heat off, 10 minutes. Wash the rice", "other", 0.8, leaves="",
        fits=lambda p: p.kind in ("rest", "other") and not p.had("heat") and p.at is not None and _by_another(p) and entered(p.found, p.at, p.enters) == "later",
    ),
    Rule(
        "Boil 6 minutes, strain. Cook the vegetables in the yoghurt 8 mins. Layer with the rice", "other", 0.9, leaves="",
        fits=lambda p: p.kind in ("heat", "rest") and p.had("heat") and _beside_the_drained(p),
    ),
    Rule(
        "Boil the rice, drain, cool. Stir-fry it in a wok, crack in the eggs. Add peas, 2 minutes", "other", 0.9, leaves="",
        fits=lambda p: p.kind in ("heat", "pan", "other") and p.had("heat") and _cooled_and_fried(p),
    ),
    Rule(
        "drain, and into the fridge. Fry it 5 minutes", "other", 0.75, leaves="",
        fits=lambda p: _doubtful_heat(p) and _chilled_since(p.earlier, p.blocks, p.n, p.s.start),
    ),
    Rule("give the lentils 10 minutes in the liquid before the quinoa goes in", "other", 0.9, lambda p: p.after(_BEFORE_THE_GRAIN), least=True),
    Rule(
        "let it steep for 5 minutes", "heat", 0.9, leaves="",
        fits=lambda p: p.steeps and (_LET_STEEP.search(p.before) or (_STEEPS.search(p.before) and not p.had("heat"))),
    ),
    Rule("to the boil (8 min)", "come_up", 0.97, lambda p: _COMES_UP.search(p.before) or p.after(_TO_COME_UP)),
    Rule("Bring it up to a boil, about 3 minutes. Cover", "come_up", 0.93, _up_to_it, leaves=""),
    Rule(
        "While it bakes, boil the beans for 3 minutes", "other", 0.93, leaves="",
        fits=lambda p: p.kind == "heat" and p.had("heat") and _WHILE_IT.search(p.back(160)) and not (p.clause and "grain" in p.clause.things),
    ),
    Rule("Fill with half the rice. Cool 20 minutes", "other", 0.93, lambda p: p.kind in ("heat", "pan", "other") and _COOLS.search(p.before)),
    Rule(
        "Steep the saffron 10 minutes", "other", 0.95, leaves="",
        fits=lambda p: p.kind == "soak" and _STEEPED.search(p.before) and not (p.clause and "grain" in p.clause.things) and not as_rice(p.before).count("rice"),
    ),
    Rule(
        "Put it with the measured water in a heavy pot and leave to stand 10 minutes", "soak", 0.8, leaves="",
        fits=lambda p: p.kind in ("other", "rest", "heat") and not p.had("heat", "pan", "come_up", "toast") and _PUT_WITH_WATER.search(p.back(140)) and not _by_another(p),
    ),
    Rule("In the rice cooker. Bake the salmon 12 minutes", "other", 0.9, lambda p: p.cookers and p.kind in ("heat", "rest", "other") and _IN_AN_OVEN.search(p.before)),
    Rule(
        "boil for 5 minutes. Drain. Fry the onions 15 minutes, add the carrots, cook 10 minutes", "other", 0.9, leaves="",
        fits=lambda p: p.kind in ("heat", "other") and p.had("heat") and _in_another_pan(p),
    ),
    Rule(
        "Boil 5 minutes, drain. Layer vegetables and rice in a dish, foil, bake 30 minutes", "heat", 0.85, leaves="",
        fits=lambda p: p.kind in ("other", "rest", "pan") and _LAYERED.search(p.back(180)) and _half_boiled(p),
    ),
    Rule("Ferment overnight 8-12 hours", "other", 0.97, lambda p: _FERMENTS.search(p.before)),
    Rule("lowest 15 mins. Don't open for 10 more", "rest", 0.85, lambda p: p.short and (p.had("heat") or p.cookers) and _LEFT_SHUT.search(p.before), leaves=""),
    Rule("When cooked, steam as it is 10 minutes", "rest", 0.85, lambda p: p.kind in ("heat", "other") and _STEAMED_WHEN_DONE.search(p.before)),
    Rule("bei kleiner Hitze 18 Minuten quellen lassen", "heat", 0.85, lambda p: _BEI_HITZE.search(p.before), least=True, leaves=""),
    Rule("1 Stunde in Salzwasser einweichen", "soak", 0.85, lambda p: not p.had("heat") and p.after(_EINWEICHEN) and not _by_another(p), least=True, leaves=""),
    Rule("30 dk beklet", "soak", 0.85, lambda p: not p.had("heat") and p.after(_BEKLET), least=True, leaves=""),
    Rule("unire il riso, tostare 2 minuti", "toast", 0.85, leaves="", fits=lambda p: p.kind in ("heat", "other", "pan", "rest") and not p.had("heat") and _TOSTARE.search(p.before) and CLASS["GRAIN"].search(p.text[: p.s.start])),
    Rule("3 dk kavur", "toast", 0.85, lambda p: p.kind in ("heat", "other", "pan", "rest") and not p.had("heat") and p.after(_KAVUR), leaves=""),
    Rule("weitere 10 Minuten ohne Deckel überbacken", "heat", 0.85, lambda p: p.had("heat") and p.after(_BAKED_ON) and _BARED_IN_OVEN.search(p.text[max(0, p.s.start - 60) : p.s.end + 40]), leaves="rest"),
    Rule("boil the onions whole for 20-25 minutes", "other", 0.85, lambda p: _BOILED_WHOLE.search(p.before), leaves="heat"),
    Rule("lowest 20 min. Open after 10 min.", "rest", 0.85, lambda p: not p.pressed and p.had("heat") and _OPENED_AFTER.search(p.before), leaves="heat"),
    Rule("15 dk pişirin", "heat", 0.85, lambda p: p.kind in ("other", "rest", "pan") and p.after(_PISIR), leaves=""),
    Rule("15 dakika demlendirin", "rest", 0.9, lambda p: p.had("heat") and p.after(_DEMLE), leaves=""),
    Rule("natural release 10", "release", 0.9, lambda p: _COMES_DOWN.search(p.before) or p.after(_NPR_AFTER), least=True),
    Rule(
        "add the rice, cook till 70 % done, about 5 minutes", "heat", 0.97,
        lambda p: _HALF_DONE.search(p.back(90)) or (p.kind == "heat" and p.after(_HALF_NOW)),
    ),
    Rule(
        "put the rice in, about 8 minutes, strain it", "heat", 0.93, leaves="",
        fits=lambda p: p.kind in ("other", "pan") and p.clause and p.clause.grains and (p.clause.before.grain or any("grain" in c.things for c in of_sentence(p.found, p.at or 0))) and p.clause.before.boiled and p.clause.verb in ("cook", "boil", "add", "drain") and p.after(_POURED_OFF_NEXT) and not _by_another(p),
    ),
    Rule("into the sleeping bag for 15 minutes", "rest", 0.97, lambda p: _KEPT_HOT.search(p.before) and p.had("heat")),
    Rule("Lid on, lowest, 11 min. Off. Do not peep. 12 min.", "rest", 0.9, lambda p: p.short and _JUST_OFF.search(p.before) and not p.had("rest"), least=True),
    Rule(
        "poke holes, lid with a cloth, low, steam 45 minutes", "heat", 0.9, leaves="",
        fits=lambda p: p.had("heat") and not p.had("rest") and _STEAMS_ON.search(p.before) and p.clause and p.clause.grains and not p.clause.before.off and not _by_another(p),
    ),
    Rule("till the weight dances, then 3 min", "heat", 0.85, lambda p: _UP_TO_PRESSURE.search(p.before), leaves=""),
    Rule("the weight dances, then 3 min, turn to low 5 min, off", "heat", 0.85, lambda p: p.pressed and p.kind in ("other", "pan", "come_up") and p.since("heat", _TURNED_DOWN), leaves=""),
    Rule(
        "lid, lowest 25 min. Turn the rice over. 10 more min", "heat", 0.8, leaves="",
        fits=lambda p: p.since("heat", _TURNED_OVER) and (_FURTHER.search(p.s.text) or _FURTHER.search(p.before[-12:]) or p.after(_MORE_OF_IT)),
    ),
    Rule("When it starts to steam (around 10 mins), lay the chicken on top", "come_up", 0.85, leaves="heat", fits=lambda p: p.cookers and not p.had("heat") and _STARTS_TO_STEAM.search(p.before)),
    Rule("Cooker clicks (abt 22 min)", "heat", 0.85, leaves="", fits=lambda p: p.cookers and p.kind in ("other", "come_up", "from_start") and not p.had("heat") and _CLICKS_AT.search(p.before)),
    Rule(
        "oat milk in, low, no lid, stir, 20-25, thick", "heat", 0.75, leaves="other",
        fits=lambda p: p.kind == "other" and p.clause and p.clause.before.grain and not p.clause.before.off and _TILL_THICK.match(p.text, p.s.end) and _STIRRED_LOW.search(p.back(70)) and not _by_another(p),
    ),
    Rule(
        "low flame till thick. Sugar, cardamom, 5 more min", "heat", 0.75, leaves="",
        fits=lambda p: p.kind in ("other", "rest") and p.had("heat") and not p.had("rest") and (_FURTHER.search(p.s.text) or p.after(_MORE_OF_IT))
        and p.clause and p.clause.verb in ("", "stir", "add", "grind") and p.clause.before.grain and not p.clause.before.off and not _by_another(p) and not any(CLASS[k].search(p.before) for k in ("OFF", "REST", "COVER")),
    ),
    Rule(
        "Add the rice, fry 5 minutes undisturbed so it crisps", "other", 0.9, leaves="",
        fits=lambda p: p.kind == "rest" and p.had("heat", "whistles") and _FRIED_SO_LONG.search(p.before),
    ),
    Rule(
        "Lid on, oven 25 min; lid off 10 min. Rest 10.", "heat", 0.8, leaves="rest",
        fits=lambda p: p.had("heat") and not p.had("rest") and _LID_OFF_FOR.search(p.before) and p.after(_THEN_RESTS),
    ),
    Rule("Cook on the normal setting, then keep shut 15 min", "rest", 0.9, lambda p: p.cookers and p.kind in ("heat", "other") and _KEPT_SHUT.search(p.before), least=True, leaves=""),
    Rule("Rest the bird 10 minutes", "other", 0.85, lambda p: _RESTS_THE_MEAT.search(p.before), least=True, leaves="rest"),
    Rule(
        "Turn the heat up for 3 mins to burn the bottom", "heat", 0.9, leaves="",
        fits=lambda p: p.kind in ("rest", "other", "pan", "heat") and p.had("heat", "whistles") and _STRONGER.search(p.before) and p.after(_FOR_ITS_CRUST) and not _by_another(p),
    ),
    Rule(
        "cook the rice and lentils on low for 15 minutes until the water's absorbed", "heat", 0.9, leaves="other",
        fits=lambda p: p.kind == "other" and not p.had("heat") and p.after(_TILL_DRUNK) and any("grain" in c.things for c in of_sentence(p.found, p.at or 0)),
    ),
    Rule("Lessate il riso in abbondante acqua salata per dodici minuti", "heat", 0.85, leaves="other", fits=lambda p: p.kind in ("other", "pan") and not p.had("heat") and _boiled_abroad(p)),
    Rule("Kürbis im Öl 8-10 Min. braten", "other", 0.9, leaves="rest", fits=lambda p: p.had("heat") and p.after(_FRIED_ABROAD) and not (p.clause and "grain" in p.clause.things)),
    Rule("Ajouter le riz froid, mélanger 4 min", "other", 0.85, leaves="heat", fits=lambda p: p.had("heat") and _COLD_ABROAD.search(p.back(90))),
    Rule("haal de folie eraf en bak nog 10 minuten; leve ao forno por 15 minutos", "heat", 0.8, leaves="rest", fits=lambda p: p.kind in ("rest", "pan") and p.had("heat") and _BAKED_ABROAD.search(p.before)),
    Rule("keep on WARM 15 min", "rest", 0.9, lambda p: _KEPT_WARM.search(p.before), least=True),
    Rule(
        "HIGH pressure 8 minutes", "heat", 0.93, least=True, leaves="",
        fits=lambda p: _AT_PRESSURE.search(p.before) or (p.pressed and p.after(_HIGH_AFTER)) or (_TAKES.search(p.before) and (p.cookers or p.since("from_start", _MINE))),
    ),
)  # fmt: skip


def told(p: Place) -> Timed:
    """The stretch as the words beside it say, else as the tagger thinks."""
    rule = next((r for r in RULES if r.fits(p)), None)
    return rule.verdict(p) if rule else Timed(p.s, p.n, p.kind, p.sure, p.others)


def _or_so_many(p: Place, last: Timed) -> bool:
    """Does nothing but an "or" stand between the minutes and the whistles?"""
    return OR_SO_LONG.fullmatch(p.text[last.stretch.end : p.s.start]) is not None


def _another_such(p: Place) -> bool:
    """ "(or 350F for 35 minutes, or 325F for 45)": the third of a row of them."""
    return p.had("heat") and p.since("other", OR_ELSEWHERE) and OR_ELSEWHERE.fullmatch(_between_earlier(p)) is not None


def _between_earlier(p: Place) -> str:
    """What stands between the last two stretches before this one, both in its step; "." if there are no two."""
    last = [t for t in p.earlier if t.block == p.n][-2:]
    return p.text[last[0].stretch.end : last[1].stretch.start] if len(last) == 2 else "."


def whistled(p: Place) -> list[Timed]:
    """All stretches so far, with the whistles that stand here."""
    before, kind, out = p.back(90), "whistles", list(p.earlier)
    same = [i for i, t in enumerate(out) if t.kind == "whistles" and t.block == p.n]
    # "Pressure cook the green gram with 2 cups water and salt for 3 whistles", when the rice has had its minutes
    # … or before it is there: "Pressure cook the mutton for 5 whistles. Strain"
    before_it = p.at is not None and entered(p.found, p.at, p.enters) == "later"
    apart = p.clause is not None and (p.had("heat") or before_it) and (_of_another(p.clause) or _by_another(p))
    if apart or _OTHER_COOKER.search(before) or same and _IN_BRACKETS.search(before):
        # "4 whistles (3 for us)"
        kind = "other"
    elif out and out[-1].block == p.n and out[-1].kind == "heat" and _or_so_many(p, out[-1]):
        # "low flame 10 minutes OR 2 whistles": told twice, and the whistles are counted
        out[-1] = replace(out[-1], kind="other", sure=0.95, others=())
    elif same and _IN_ALL.search(before):
        # "till the 1st whistle, then medium, total 4 whistles"
        out = [replace(t, kind="other") if i in same else t for i, t in enumerate(out)]
    return [*out, Timed(p.s, p.n, kind, 0.99)]


# -- all of them together ------------------------------------------------------------------------------------------

LEAST_AGAIN = 0.15


def together(timed: list[Timed], blocks: Sequence[Block]) -> list[Timed]:
    """The stretches, each by the others: what is counted on, summed up, or goes on without its lid."""
    return _counted_on(_summed_up(_uncovered(timed, blocks), blocks), blocks)


def _uncovered(timed: list[Timed], blocks: Sequence[Block]) -> list[Timed]:
    """ "Bake 30 minutes. Uncover, bake another 30": what goes on without its lid began with it."""
    out = list(timed)
    for i, (a, b) in enumerate(pairwise(timed)):
        text, s = blocks[b.block].text, b.stretch
        if (
            (a.kind in ("other", "heat") and b.kind == "heat")
            and a.block == b.block
            and (
                (a.chance("heat") > LEAST_AGAIN and _UNCOVERED_FOR.fullmatch(text[a.stretch.end : s.start]))
                or _does_the_same(text, a.stretch, s)
            )
            and (a.kind == "other" or a.sure < SURE_HEAT)
            and (s.text.lower().startswith(("another", "a further")) or _MORE_OF_IT.match(text, s.end))
        ):
            out[i] = replace(a, kind="heat", sure=0.9, others=(("other", 0.1),))
    return out


def _does_the_same(text: str, first: Stretch, then: Stretch) -> bool:
    """Are both stretches told by the same verb, in one sentence?"""
    if re.search(r"[.;!?]\s", text[first.end : then.start]):
        return False
    a, b = (_SAME_AGAIN.search(text, max(0, x.start - 24), x.start) for x in (first, then))
    return a is not None and b is not None and a["v"].lower() == b["v"].lower()


# "the stalks after 10 mins, the tips 3 mins later"
_LATER_ON = lazy(r"\s*(?:later|after that|afterwards)\b", re.I)


def _summed_up(timed: list[Timed], blocks: Sequence[Block]) -> list[Timed]:
    """ "After 15 minutes add the zest. When it is done (18 minutes in all)": the sum is the cooking, and the fifteen a mark in it."""
    total = next(
        (i for i, t in enumerate(timed) if t.kind == "other" and SUMMED.match(blocks[t.block].text, t.stretch.end)),
        None,
    )
    heats = [i for i, t in enumerate(timed[:total]) if t.kind == "heat"] if total is not None else []
    if (
        total is None
        or not heats
        or not all(
            _AFTER.search(blocks[timed[i].block].text[: timed[i].stretch.start][-24:])
            or _EACH_TIME.match(blocks[timed[i].block].text, timed[i].stretch.end)
            or _LATER_ON.match(blocks[timed[i].block].text, timed[i].stretch.end)
            or _THE_FIRST.search(blocks[timed[i].block].text[: timed[i].stretch.start][-24:])
            for i in heats
        )
    ):
        return timed
    out = list(timed)
    for i in heats:
        t = timed[i]
        # "3 mins later" counts from the other mark
        later = _LATER_ON.match(blocks[t.block].text, t.stretch.end)
        out[i] = replace(t, kind="other" if later else "from_start", others=(("heat", 0.1),))
    out[total] = replace(timed[total], kind="heat", sure=0.95, others=())
    return out


def _counted_on(timed: list[Timed], blocks: Sequence[Block]) -> list[Timed]:
    """ "After 10 minutes add the courgettes. Carry on for another 8": no minutes at the heat stand before, so the ten are the first of eighteen."""
    first = next((i for i, t in enumerate(timed) if t.kind in ("heat", "from_start")), None)
    if first is None or timed[first].kind != "from_start" or timed[first].stretch.unit == "minute":
        return timed
    then = next((t for t in timed[first + 1 :] if t.kind == "heat"), None)
    mark = timed[first]
    if (
        then is None
        or any(t.chance("heat") > 0.1 for t in timed[:first])
        or re.match(r"[\s-]*mark\b", blocks[mark.block].text[mark.stretch.end :])
    ):
        return timed
    text, s = blocks[then.block].text, then.stretch
    before = re.split(r"[.;!?]\s", text[max(0, s.start - 60) : s.start])[-1]
    after = re.split(r"[,.;!?]", text[s.end : s.end + 12])[0]
    if not _GOES_ON.search(f"{before}{s.text} {after}"):
        return timed
    out = list(timed)
    out[first] = replace(timed[first], kind="heat", sure=0.85, others=(("from_start", 0.15),))
    return out
