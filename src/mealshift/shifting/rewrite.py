"""The method's text as a view of the target's Process: what was matched is edited in its clause, what was inserted stands at its place (a clause is cut where it
must go in), what was retired is taken out of its sentence. Every number here is the Process's; words it does not touch stay as they were.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from math import inf

from ..grains import grain
from ..measures import (
    NUMBER_PATTERN,
    RANGE_PATTERN,
    UNIT_PATTERN,
    Measures,
    canonical_unit,
    jug_ml,
    make_amount,
    number_range,
    round_half_up,
)
from ..pot import Pot
from ..pot.account import BETWEEN
from ..pot.ways import cap
from ..problems import Problem
from ..process import Operation
from ..quick import found_in, lazy, quick
from ..reading import ingredients
from ..reading.clauses import OWN_LOOK, verbs_in, wants_object
from ..reading.ingredients import GRAIN_ALONE
from ..reading.names import browned, find_grains, with_kind, without_aside
from ..reading.otherwise import AS_LIKED, OF_ANOTHER, another_batch, minutes_of_things, of_other_sorts, own_sorts
from ..reading.pours import KEPT, PART, THE_REST
from ..reading.things import COOKED_AWAY
from ..reading.told_minutes import OR_ELSEWHERE, OR_SO_LONG, OTHER_OVEN, SUMMED
from ..reading.ways import ways_in_brackets
from ..reading.words import word_list
from ..recipe import Line, Recipe, Step
from ..text.amounts import parse
from ..text.sentences import sentences
from . import signs
from .backwards import Own, carriers, of_other_ways
from .cookings import BY_THE_PACKET, GOES_ON_WITH, in_pot
from .lines import LEAST_ML, REMAINING, Amounts, as_the_grain, told_by_the_grain, with_its_portions
from .target import BRINGS, STOVE, UNFROZEN, WAITS, Target
from .vessels import GREASED, vessel_edits
from .wording import Edit, apply, moved, nearest, of_line, said_grain, said_liquid, said_quantity, said_time

_BEFORE_SENTENCE = lazy(r";(?=\s+[A-Z])")
# "20 min low, 10 off"
_TURNED_TO = lazy(r"(?:then |on |very )*(?:low(?:est)?|medium|gentle|high)\b[^.;,!?]{0,16}\d", re.I)
_AS_PACKED = lazy(
    r"\b(?:cook|boil|prepare|make|simmer|steam)(?P<grain>\b[^.;!?\d]{1,40}?)(?P<it>,?\s(?:as |in accordance with |according to |following |as per |per |by )(?:directed |instructed |told |it says )?(?:by |on |in )?(?:the |its |their )?"
    r"(?:packets?|packs?|package|packaging|box|bag|label|manufacturer)(?:['’]?s?)?(?: (?:instructions?|directions?))?)\b",
    re.I,
)
_OFF_SO_LONG = lazy(r"off,? \d+\b|\d+(?:\s?[-–]\s?\d+)? ?(?:m(?:ins?)?\.? )?off\b", re.I)
_THE_OTHER = lazy(r"\b(?:other|remaining)\s*$", re.I)
# "till thick and rice mash"
_OF_THE_SIGN = lazy(r"(?:the )?(?:rice|grains?|it|they)\b", re.I)
# "in the rice pot", "with a rice paddle": another grain has no use for the name
_RICES_TOOL = lazy(r"\brice (?=(?:pots?|paddles?|spoons?|scoops?|spatulas?|bowls?)\b)", re.I)
_GRITS_ALONE = lazy(r"(?<!corn )(?<!hominy )\bgrits\b", re.I)
_IN_A_SIGN = lazy(r"\b(?:until|till)\b[^,;:.]*$", re.I)
_LIQUID_AMOUNT = lazy(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>ml|cl|dl|l|litres?|liters?|cups?|(?-i:c)|pints?|pts?|quarts?|qts?|gallons?|gals?|glass(?:es)?|mugs?|tumblers?|measures?)\b\.?"
    rf"(?:\s*(?:\+|&|plus|and)\s*(?P<more>{NUMBER_PATTERN})\s*(?P<of>tbsps?|tablespoons?|tsps?|teaspoons?|ml|cups?)\b)?"
    r"(?=\s*(?:of\s+)?(?:the\s+)?(?:[a-z-]+ ){0,2}?(?P<what>water|stock|broth|yakhni|liquid|milk|pani|tubig|sabaw|maji|air|agua|caldo|acqua|brodo|eau|bouillon|wasser|brühe|bulionu?|wody|vatten|vand|vann|nước)\b)",
    re.I,
)
# "Add water to cover by an inch (about 4 cups)": the list's amount, told by the way
_IN_A_BRACKET = r"\b(?:water|stock|broth|liquid)\b[^.;!?()]{0,40}\((?:(?:about|around|approx(?:imately|\.)?|roughly|abt\.?|some|that is|i\.e\.|[=~≈])\s?)?"
# "new rice less.": what the age of a rice does to its water
_OLD_RICE = lazy(
    r"(?:^|(?<=[.;!?,]\s)|(?<=\n))(?:for |with |if )?(?:the )?(?:old|new|aged)(?:er)?(?: crop)? rice\b[^.;!?,\d]{0,12}\b(?:less|more)\b[^.;!?,\d]{0,16}(?:[.;!?,]+\s*|$)",
    re.I,
)

_ONE_DOES = lazy(
    r" (?P<v>is|has|was|does|looks|turns|starts|begins|cooks|swells|absorbs|softens|gets|sits|soaks|steams|rests|becomes|feels|tastes|needs|takes|doesn.t|isn.t|hasn.t)\b"
)
_MANY_DO = {
    "is": "are",
    "has": "have",
    "was": "were",
    "does": "do",
    "doesn't": "don't",
    "isn't": "aren't",
    "hasn't": "haven't",
}
_SETTING = lazy(
    r"(?P<rice>[\"'‘’“”]?(?:(?:white|mixed|plain|brown|sushi|regular|jasmine|quick)[ -])?rice[\"'‘’“”]?(?: \([^()\n]{1,20}\))?)(?= (?:setting|mode|program(?:me)?|cycle|course|button|function)\b)",
    re.I,
)
_BEGINS = lazy(r"(?:^|[.!?]\s+)$")
_NOT_ALL = lazy(
    rf"\b(?:won't|wont|will not|may not|might not|mightn't|don't|do not) (?:need|use) (?:it |them )?all\b[^.;!?\d]{{0,24}}?(?P<n>{RANGE_PATTERN})\s*(?P<unit>ml|cl|dl|l|litres?|liters?|cups?|pints?)\b"
    # "2 cups of water (if the tomatoes are juicy reduce to 1¾ cups)"
    rf"|\b(?:reduce|cut(?: back)?|lower|go down|increase|go up)(?: (?:it|this|the (?:water|stock|liquid)))? to (?P<m>{RANGE_PATTERN})\s*(?P<other>ml|cl|dl|l|litres?|liters?|cups?|pints?|mugs?|glass(?:es)?)\b",
    re.I,
)
# "add the mushrooms' water, then add water to the line"
_POURED_BEFORE = lazy(
    r"\b(?:the|its|their) (?:[\w'’-]+ ){0,3}?(?:water|liquid|liquor|juices?|stock|broth)\b[^.;]*\bwater\b", re.I
)
_NEAR_THE_END = lazy(
    r"\b(?:(?:for|in|during) the (?:last|final) [\d½¼¾–-]+(?: to \d+)? ?min(?:ute)?s?|[\d½¼¾–-]+ ?min(?:ute)?s? before (?:the end|it is done|serving))\b",
    re.I,
)
_OR_AT = lazy(
    rf"\s*(?:,|or|/|;)?\s*(?:or )?(?:on |at )?(?:high|low)(?: heat| setting)?(?: for)?\s*(?P<n>{RANGE_PATTERN})", re.I
)
# "conventional oven 350 F 1 hour; convection 325 F 50 minutes"
_BY_FAN = lazy(
    rf"\s*\((?:or )?(?P<n>{RANGE_PATTERN})(?= (?:min\w* )?(?:in|for|with|on) (?:an? |the )?(?:fan|convection)\b[^()]{{0,12}}\))",
    re.I,
)
_OTHER_OVEN = lazy(rf"{OTHER_OVEN}(?P<n>{RANGE_PATTERN}) ?min(?:ute)?s?\b", re.I)
# "5 whistles: first on high, other four on medium-low"
_OTHER_WHISTLES = lazy(
    rf"[^.;!?]{{0,40}}?\bfirst\b[^.;!?]{{0,24}}?\b(?:other|remaining|next|rest)\s+(?P<n>{NUMBER_PATTERN})(?=\s+(?:on|at|over|in|whistles?|medium|low|sim)\b)",
    re.I,
)
# "25 minutes before serving, start the rice"
_BEFORE_THE_MEAL = lazy(
    rf"(?P<n>{RANGE_PATTERN})(?P<unit>\s*min(?:ute)?s?\b) before (?:you |we )?(?:want to |plan to |are ready to )?(?:serv\w+|eat\w*|din(?:ner|ing)|supper|lunch|the (?:meal|stew|sauce|curry|meat|chicken|fish)\b)",
    re.I,
)
_STARTS_IT = lazy(r"\b(?:start|begin|put on|get)\b|\bput (?:the )?\w+ on\b|\bcook the\b", re.I)
# fewer minutes than these are within what a kitchen differs
LEAST_EARLIER = 3.0
# what takes so long may be told for another setting of the cooker, in hours
SLOW_MIN = 75.0
MOST_STEPS = 10**6
MOST_HOURS = 12.0
_FILLS = lazy(r"(?:re)?fill|swill|rinse", re.I)
_POURED_THEN = lazy(r"\b(?:add|pour|tip|stir|put|in)\b", re.I)
_THERE_SHOULD_BE = lazy(
    r"\b(?:(?:should|must|ought to) (?:have|be)|(?:you|we)(?:'ll)? (?:want|need))(?: about| around)?\s*$", re.I
)
# "about 3 cups of pot likker": what it is of
_OF_ITS_KIND = lazy(
    r"\s+of (?:the |its |that )?(?:[\w'’-]+ ){0,2}?(?:liquid|liquor|likker|stock|broth|water|juices?)\b", re.I
)
# "the remaining cup of broth", which is another amount now
_REMAINING_CUP = lazy(
    r"(?<=\b)(?P<which>remaining|other|last|second|the) (?P<cup>(?:cup|pint|quart|glass|mug|litre|liter|can|tin) of )(?=(?:the )?(?:(?:hot|boiling|warm|cold) )?(?:water|stock|broth|liquid|milk)\b)",
    re.I,
)
# so much more or less is another pot's
OTHER_POT = 0.2
# within that the grain takes as long as it did
AS_LONG = 0.1
_FOR_SO_MANY = lazy(
    rf"(?:^|(?<=[.;!?]\s)|(?<=\n))(?:for|to (?:cook|make)) (?P<a>{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}))\.? (?:of )?(?:[^\W\d]+ )?(?:rice|grains?)\b,? (?:use|take|add|you(?:'ll)? (?:need|want))\b(?:[^.;!?]|\.(?=\d))*(?:[.;!?]+|$)",
    re.I,
)
# "one glass of rice grits, we call it arisi rava": another name of the old one
_CALLED = lazy(
    r",?\s*(?:(?:which )?(?:we|they|some|you|people|my \w+) (?:also )?calls? (?:it|this|them|that)|(?:also )?(?:known as|called)|a\.?k\.?a\.?)\s+(?P<n>[^,.;()\n]{2,40})(?=[,.;)]|$)",
    re.I,
)
_NOT_FULL = lazy(r",?(?: but)? not |,? (?:twice|(?:one|two|three|\d)(?: and a half)? times)\b", re.I)
_OF_THE = lazy(r"\bof (?:the|your|that)?", re.I)
# "2.4 l stock into each tray"
_INTO_EACH = lazy(r"[^.;!?]{0,48}\b(?:each|per (?:tray|dish|pot|pan|tin))\b", re.I)
_THE_REST = lazy(r"\b(?:rest|remaining|remainder|other)\b[^.;,]{0,16}\b(?:water|stock|broth|liquid|milk)\b", re.I)
_BOTH_KINDS = lazy(
    r"\b(?P<the>the |both |your )?(?:(?:two|both|2) )?(?:kinds?|types?|sorts?) of (?:the )?$|\bboth (?:the |of the |kinds )?$",
    re.I,
)
# "until both rice and potato are tender"
_AND_ANOTHER = lazy(r"\s+(?:and|&)\s+(?:the )?(?P<w>[^\W\d_]+)", re.I)
_GRAIN_AMOUNT = lazy(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>g|kg|oz|cups?|ml|glass(?:es)?|mugs?|measures?)\b(?=\s*(?:of\s+)?(?:the\s+)?(?:[\w-]+\s+){{0,3}}rice\b)",
    re.I,
)
_IF_NEEDED = quick(
    r"\b(?:not yet|if (?:it|the|too|still|needed|necessary|dry|(?:switch|button|rice|grains?|cooker|pot|water)\b)|more if|extra|top up|splash|re-?heat\w*|loosen)\b[^.]{0,40}$",
    re.I,
)
_IF_AFTER = lazy(r"[^.;,]{0,24}\b(?:if|should|in case|when) (?:it|the|this|needed|necessary)\b", re.I)
# beside the name of a meal where the rice went in from the start
_BY_THE_LADLE = lazy(
    r",? (?:(?:a|one|1) (?:ladle(?:ful)?|splash|cup) at a time|ladle by ladle)\b(?:, uncovered)?"
    r"|(?<=add )(?:a|one) ladle(?:ful)? of (?=(?:the |hot )?stock)|,? (?:and|,) stir(?:ring)? until (?:it is |it's )?absorbed\b",
    re.I,
)
# "2 c. Carolina gold": the stop ends no sentence
_AMOUNT_SHORT = lazy(r"\d[\d¼½¾⅓⅔/ ]*(?!mins?\b|secs?\b|hrs?\b)[^\W\d_]{1,4}\.\s*$")
_SOAKED_IN = lazy(
    r"\b(?P<it>(?:its|their|the|this|that)(?: rice(?:'s)?)? soaking (?:water|liquid)|the (?:water|liquid) (?:that |which )?(?:it|they|the rice) (?:was|were|had been|has been|has|had)(?: been)? soak(?:ing|ed) in)\b",
    re.I,
)
# "Add frozen rice", "(45 mins if the rice wasn't frozen)"
_FROZEN_RICE = lazy(
    r"\bfrozen (?=(?:[a-z]+ )?(?:rice|grains?)\b)|\s*\([^()]*\b(?:rice|it)(?: (?:was|is) not| (?:was|is)n['’]?t) frozen\)",
    re.I,
)
_NOT_YET = " (not yet)"
# "Put everything in", "combine all the ingredients", to which "but the quinoa" can be said
_ALL_OF_THEM = quick(
    r"\b(?:(?:everything|all (?:of )?(?:the )?(?:ingredients|stuff))\b(?! (?:else|other)\b)|all(?= (?:but|except) (?:the|your|my) [^\W\d]))(?P<but> (?:but|except(?: for)?|bar|apart from)\b)?",
    re.I,
)
_STILL_IN_IT = lazy(r"\b(?:whistles?|(?:at|high|full) pressure|slow[- ]?cooker|crock[- ]?pot)\b|\b(?:LOW|HIGH)\b")
_RAINS = lazy(r"\brain in\b")
_INTO = lazy(r"\s*in(?:to)?\b", re.I)
# "450 ml/¾ pint": the same in another measure
_OR_AGAIN = lazy(rf"\s*/\s*(?:about )?{RANGE_PATTERN}\s*(?:fl\.? ?oz|oz|ml|cups?|pints?|l|litres?|dl)\b\.?", re.I)
# "When it boils hard and the water drops to the level of the rice, …": nothing without what is done then
# what the last minutes are for
_BOTTOM = lazy(r"\b(?:bottom|crust|crackl\w+)\b", re.I)
# "stirring after the first half hour and again at the hour"
_ONCE_MORE = lazy(r"(?:then )?(?:again|once more|a second time|twice|every|now and (?:then|again))\b", re.I)
_SUBORDINATE = quick(r"\W*(?:when|once|as soon as|after|while|if)\b", re.I)
_LABEL = lazy(r"\W*[^\W\d_][^:.;!?\n]{2,24}:(?=\s)")
_AN = lazy(r"(?<=\s)an?\s+$", re.I)
_SO_LONG_A = lazy(r"[ -](?:rest|soak|simmer|boil|steam|stand)\b", re.I)
_WHEN_ALONE = lazy(r"\W*(?:and )?(?:when|once|as soon as|while|till|until)\b[^,;:]*\W*", re.I)
_OPENS = lazy(r"\s*\(\s*$")
# the recipe says itself what to do where there is less
_MADE_UP = lazy(
    r"\b(?:top|make|fill)\w* (?:it |them )?up\b|\bif (?:it'?s |there(?:'s| is) )?(?:less|short|not enough)\b|\bif (?:not|less|short),? (?:add|top|make|fill)\b|\b(?:add|top) (?:more |some |water |it )?if (?:needed|need be|necessary|short)\b",
    re.I,
)
_AND_THE = lazy(r"\s*|\s*(?:,|and|&|\+|plus)\s*(?:the\s+)?|\s+or\s+(?:[^\W\d_]+[- ]){0,2}", re.I)
_WEIGHS = lazy(
    r"(?:\(|[,–—-]\s*(?=about|roughly|around|that|which|it))(?:(?:that'?s|that is|which is|it'?s) )?(?:about |abt |approx\.? |ca\.? |~ ?|= ?|roughly |around )?(?P<a>\d{2,4} ?(?:g|gr|grams|grammes))\b(?=\)|\s*(?:[,.;–—-]|and\b|$))",
    re.I,
)
# "I've taken one cup of rice": it goes into no pot yet
_ONLY_TAKEN = lazy(r"\b(?:tak(?:en?|ing)|took|measured?|start(?:ed)? with|bought|weigh(?:ed)?)\b[^.;]{0,40}$", re.I)
MOST_BEHIND = 24
_HOW_MANY_LAST = lazy(
    r"(?<=[.!?)])\s+(?:(?:makes|serves|feeds|enough for|yields?|does)\b[^.!?;]{1,40}|\d{1,2}(?:-\d{1,2})? (?:people|persons|servings|portions|bowls|pessoas|personas|persone|personnes|personen))[.!]?$",
    re.I,
)
# what joins two clauses of one sentence
# before these its minutes stand: "kook de rijst gaar en laat hem afkoelen"
_UNTIL_OR_LEFT = lazy(
    r"\b(?:until|till|so that|(?:en|und|et|e|y|och|og) (?:laat|lass\w*|abkühlen|abgießen|laiss\w*|lascia\w*|scola\w*|dej[ae]\w*|låt|la))\b",
    re.I,
)
_JOINT = lazy(r"[\s,，;:–—→➡\ufe0f-]*(?:(?:\b(?:and|then|but|y|e|et|en|och|og|und)\b|&)[\s,]*)*$", re.I)
_STARTS_WITH_JOINT = lazy(r"[\s,，;:–—→➡\ufe0f-]*(?:(?:\b(?:and|then|but|y|e|et|en|och|og|und)\b|&)[\s,]*)*", re.I)


@dataclass(frozen=True, slots=True)
class NewStep:
    """was: the old step, None if inserted. text: "" if retired. kind names what an inserted step does. section: the recipe's heading it stands
    under. kept: the cook wanted it as it was. places: where the words of each operation stand in `full`, the new text before it is tidied."""

    text: str
    was: str | None
    reason: str = ""
    marks: tuple[tuple[int, int], ...] = ()
    kind: str = ""
    olds: tuple[str, ...] = ()
    section: str = ""
    kept: bool = False
    full: str = ""
    places: tuple[tuple[str, int, int], ...] = ()


@dataclass(slots=True)
class Method:
    steps: list[NewStep] = field(default_factory=list)
    check: list[Problem] = field(default_factory=list)
    # (name, minute of the new pot) of what goes in while it cooks
    additions: list[tuple[str, int]] = field(default_factory=list)


def places_of(step: Step, operations: Sequence[Operation], edits: list[Edit]) -> tuple[tuple[str, int, int], ...]:
    """Where the words of each operation stand in the edited step. Words that no operation holds go with the one they stand before, or
    with the last: no word of a step is lost."""
    out, at, length = [], 0, len(step.text)
    mine = [o for o in operations if o.step == step.index and o.span is not None]
    for o in mine:
        assert o.span is not None  # noqa: S101 - asked just now
        start, end = o.span.start - step.span.start, min(length, o.span.end - step.span.start)
        if start > at and re.search(r"\w", step.text[at:start]):
            start = at
        start += len(step.text[start:end]) - len(step.text[start:end].lstrip())
        if o is mine[-1] and re.search(r"\w", step.text[end:]):
            end = length
        at = max(at, end)
        if o.basis != "retired":
            out.append((o.id, *moved(step.text, edits, start, end)))
    return tuple(out)


def rewrite_steps(
    recipe: Recipe,
    own: Own,
    pot: Pot,
    a: Amounts,
    measures: Measures,
    target: Target,
    as_was: Sequence[str] = (),
) -> Method:
    view = _View(recipe, own, pot, a, measures, target)
    out = Method(check=list(target.check), additions=list(target.additions))
    ops = target.operations
    # what is inserted between two operations of one step stands in it, all else is a step of its own
    inside: dict[int, list[tuple[Operation, Operation | None, Operation]]] = {}
    before: dict[int | None, list[Operation]] = {}
    # the look, and what cooks on for itself, end the step they belong to
    after: dict[int, list[Operation]] = {}
    here: list[Operation] | None = None
    for i, o in enumerate(ops):
        if o.basis != "inserted":
            here = here if o.basis == "retired" else None
            continue
        if f"+{o.kind}" in as_was:
            out.steps.append(NewStep("", o.text, "You left this out.", kind=o.kind, kept=True))
            continue
        prev = next((x for x in reversed(ops[:i]) if x.span is not None and x.basis != "retired"), None)
        following = next((x for x in ops[i + 1 :] if x.span is not None and x.basis != "retired"), None)
        if here is not None:
            # it goes with what was put in just before it
            here.append(o)
        elif prev is not None and following is not None and prev.step == following.step and prev.step is not None:
            inside.setdefault(prev.step, []).append((o, prev, following))
        elif prev is not None and o.kind in ("look", "cook_on") and prev.step is not None:
            after.setdefault(prev.step, []).append(o)
        else:
            key = (following.step if following else None) if prev is None else (prev.step or 0) + 1
            here = before.setdefault(key, [])
            here.append(o)
    for step in recipe.steps:
        out.steps += [_new(o) for o in before.pop(step.index, [])]
        if step.text in as_was:
            out.steps.append(
                NewStep(
                    step.text,
                    step.text,
                    "You wanted it as it was.",
                    section=step.section,
                    kept=True,
                    full=step.text,
                    places=view.places(step, []),
                )
            )
            continue
        made = view.step(step, inside.get(step.index, []), after.get(step.index, []))
        out.steps.append(made)
        # where its place was taken out of the sentence, it is a step of its own: nothing that is put in is lost
        put_in = [*(o for o, _, _ in inside.get(step.index, [])), *after.get(step.index, [])]
        out.steps += [_new(o) for o in put_in if o.text[1:].rstrip(".") not in made.text]
    for left in before.values():
        out.steps += [_new(o) for o in left]
    out.check += view.check
    return out


def _new(o: Operation) -> NewStep:
    return NewStep(o.text, None, o.reason, ((0, len(o.text)),), o.kind)


_TO_THE_BOIL = lazy(r"\b(?:boil\w*|bubbl\w*|bring (?:it )?(?:back )?up|back up|simmer(?:ing)? point)\b", re.I)


def _where_it_was(text: str, retired: list[Edit], put_in: list[Edit]) -> list[Edit]:
    """All of them, where a sentence that is put in begins within a clause that is taken out as one: "Boil the water, stir in the rice, cover and simmer"."""
    out = list(retired)
    for x in put_in:
        r = next((r for r in out if r.start < x.start < r.end <= x.end), None)
        if r is not None and not r.new:
            begins = x.end
            while r is not None:
                out.remove(r)
                begins = r.start
                r = next((r for r in out if not r.new and r.end == begins), None)
            if text[:begins].strip():
                x = Edit(len(text[:begins].rstrip(" ,;:")), x.end, x.new)
            else:
                x = Edit(begins, x.end, x.new.lstrip(". "))
        elif r is not None and r.end == x.end and x.new.endswith(r.new):
            # "Boil it hard; try a grain": the clause behind begins anew, and so does what is put in
            out.remove(r)
            x = Edit(r.start, x.end, x.new.lstrip(". "))
        out.append(x)
    return out


def _put_in_before(text: str, x: Edit, gone: Edit) -> Edit | None:
    """One edit of a sentence that is put in and of what goes right behind it: "; (in a hurry? …)", "; if …" begin anew behind a sentence put in."""
    both = text[max(x.start, gone.start) : x.end]
    if x.start > gone.start or x.end > gone.end or not x.new.lower().endswith(both.lower()):
        return None
    goes_on = " " if text[gone.end : gone.end + 1].strip() else ""
    return Edit(x.start, gone.end, x.new[: len(x.new) - len(both)].rstrip() + goes_on)


@dataclass(slots=True)
class _View:
    recipe: Recipe
    own: Own
    pot: Pot
    a: Amounts
    measures: Measures
    target: Target
    check: list[Problem] = field(default_factory=list)

    def step(
        self,
        step: Step,
        inside: Sequence[tuple[Operation, Operation | None, Operation]],
        after: Sequence[Operation] = (),
    ) -> NewStep:
        mine = [o for o in self.target.operations if o.step == step.index and o.span is not None]
        whole = next((o for o in mine if o.basis == "retired" and o.span == step.span), None)
        retired = None if whole else self._retired(step, mine)
        if retired is None:
            reason = next((o.reason for o in mine if o.basis == "retired"), "")
            return NewStep("", step.text, reason, kind="retired", section=step.section)
        first = _where_it_was(step.text, retired, self._insertions(step, inside))
        for o in after:
            body = step.text.rstrip()
            if m := _HOW_MANY_LAST.search(body):
                # "10 min. Makes 3 small portions." is said of the dish, when it is done
                first.append(Edit(m.start(), m.start(), " " + o.text))
                continue
            glue = " " if body[-1:] in ".!?)" else ". "
            first.append(Edit(len(body), len(step.text), glue + o.text))
        if not self.a.same and (m := OWN_LOOK.search(step.text)):
            # the sign of the other grain, from a recipe that was shifted before
            if m.start() == 0 and m.end() >= len(step.text.rstrip()):
                return NewStep("", step.text, "The sign of the other grain.", kind="retired", section=step.section)
            first.append(Edit(m.start(), min(len(step.text), m.end() + 1), ""))
        edits = list(first)
        small = [*self._of_another(step), *self._amounts(step), *self._minutes(step, mine)]
        small += self._called_by_name(step, mine)
        small += self._other_vessel(step, mine)
        small += self._when_open(step, mine)
        small += self._only_put_in(step, mine)
        waits = self._all_but_the_grain(step, mine)
        small += waits
        if not self._other_dish(step, mine):
            small += [*self._by_the_packet(step), *self._names(step)]
        for e in small:
            meets = [x for x in edits if e.start < x.end and x.start < e.end]
            if not meets:
                edits.append(e)
            elif len(meets) == 1 and not e.new and (merged := _put_in_before(step.text, meets[0], e)):
                edits[edits.index(meets[0])] = merged
        edited = apply(step.text, edits)
        text = re.sub(r"  +", " ", edited.text) if retired and not edited.marks else edited.text
        if retired:
            text = text.rstrip()
        if ".." not in step.text:
            text = text.replace("..", ".")
        # a sentence that was put in ends the clause before it; letter for letter, so that marks stay true
        if retired and text.rstrip()[-1:] in ",;" and step.text.rstrip()[-1:] not in ",;":
            text = text.rstrip()[:-1] + "."
        if not _BEFORE_SENTENCE.search(step.text):
            text = _BEFORE_SENTENCE.sub(".", text)
        reason = next((o.reason for o in mine if o.was or o.id in self.target.untimed), "") or next(
            (o.reason for o in (*(x for x, _, _ in inside), *after)), WAITS if waits else ""
        )
        return NewStep(
            text,
            step.text,
            reason if text != step.text else "",
            edited.marks,
            "",
            edited.olds,
            step.section,
            full=edited.text,
            places=self.places(step, edits),
        )

    def places(self, step: Step, edits: list[Edit]) -> tuple[tuple[str, int, int], ...]:
        return places_of(step, self.target.operations, edits)

    def _at(self, step: Step, place: int) -> int:
        return place - step.span.start

    # -- cutting ---------------------------------------------------------------------------------------------------

    def _retired(self, step: Step, mine: Sequence[Operation]) -> list[Edit] | None:
        """The cuts that take retired clauses out of their sentences; None if nothing of the step is left."""
        if not any(o.basis == "retired" for o in mine):
            return []
        edits: list[Edit] = []
        text, kept = step.text, False
        closes = 0
        for a, b in sentences(text):
            if a < closes:
                # "(45 min; do not lift the lid)": the rest of a bracket whose beginning is gone
                edits.append(Edit(max(a, edits[-1].end), closes, ""))
                a = min(closes, b)
            ops = [o for o in mine if o.span is not None and a <= self._at(step, o.span.start) < b]
            places = sorted({(self._at(step, o.span.start), min(b, self._at(step, o.span.end))) for o in ops if o.span})
            gone = {
                (self._at(step, o.span.start), min(b, self._at(step, o.span.end)))
                for o in ops
                if o.span and o.basis == "retired"
            }
            running = [
                o for o in mine if o.span is not None and self._at(step, o.span.start) < a < self._at(step, o.span.end)
            ]
            if not ops and running and all(o.basis == "retired" for o in running):
                # "Let stand 5 min. off burner": the clause goes on behind an abbreviation's stop
                edits.append(Edit(max(a, edits[-1].end if edits else a), min(len(text), b + 1), ""))
                continue
            for p in places:
                # "lowest flame 15 min (dum)": a bracket goes with what it is said of
                opened = text[a : p[0]].count("(") > text[a : p[0]].count(")")
                before = [x for x in places if x < p]
                told = any(
                    o.told and o.basis != "retired" for o in ops if o.span and self._at(step, o.span.start) == p[0]
                )
                if opened and before and before[-1] in gone and not told:
                    gone.add(p)
            for o in ops:
                # "20 min. peas on top for last 5": the minutes go, what is told beside them stays
                kept_too = [x for x in ops if x.told and x.basis != "retired" and x.span == o.span]
                if o.basis == "retired" and o.told and o.span and kept_too:
                    start, end = self._at(step, o.span.start), min(b, self._at(step, o.span.end))
                    cut = self._at(step, o.told.end)
                    cut += len(re.match(r"[\s.,;]*", text[cut:])[0])  # type: ignore[index]
                    gone.discard((start, end))
                    if cut < min(self._at(step, x.told.start) for x in kept_too if x.told):
                        places = sorted({*(p for p in places if p != (start, end)), (start, cut), (cut, max(cut, end))})
                        gone.add((start, cut))
            if not gone:
                kept = kept or bool(re.search(r"\w", text[a:b]))
                continue
            stays = [p for p in places if p not in gone]
            named = any(o.what for o in ops if o.span and o.basis != "retired")
            comma = re.search(r"[,;:–—]", text[a:b])
            only_when = (
                _SUBORDINATE.match(text[a:b])
                and comma is not None
                and all(end <= a + comma.end() + 1 for _, end in stays)
            ) or (bool(stays) and _WHEN_ALONE.fullmatch(" ".join(text[x:y].strip() for x, y in stays)))
            if set(places) == gone or only_when or not (named or _says(text, stays)):
                end = b
                while end < len(text) and text[end] in ".;!?。 ":
                    end += 1
                begin = a + len(text[a:b]) - len(text[a:b].lstrip())
                edits.append(Edit(max(begin, edits[-1].end if edits else begin), end, ""))
                closes = _bracket_end(text, a, b, edits)
                continue
            kept = True
            edits += _without(text, a, b, places, gone)
            closes = _bracket_end(text, a, b, edits)
        return [_begun_anew(e, text, edits) for e in edits] if kept else None

    def _insertions(self, step: Step, inside: Sequence[tuple[Operation, Operation | None, Operation]]) -> list[Edit]:
        edits: list[Edit] = []
        groups: dict[str, list[Operation]] = {}
        ends: dict[str, tuple[Operation | None, Operation]] = {}
        for o, prev, following in inside:
            groups.setdefault(following.id, []).append(o)
            ends[following.id] = (prev, following)
        text = step.text
        for key, new in groups.items():
            prev, following = ends[key]
            said = " ".join(o.text for o in new)
            assert following.span is not None  # noqa: S101 - it came from the text
            at = self._at(step, following.span.start)
            a = next((a for a, b in sentences(text) if a <= at < b), 0)
            before = text[a:at]
            # what stands in a sentence of its own behind the last minutes comes after what is put in
            if prev is not None and prev.span is not None and self._at(step, prev.span.end) <= a:
                before = ""
            joint = _JOINT.search(before)
            start = a + (joint.start() if joint else len(before))
            if start <= a or not re.search(r"\w", before):
                # between two sentences
                lead = step.text[:a].rstrip()
                if lead[-1:] == ";" and (other := _OTHER_OVEN.match(text, len(lead) - 1)):
                    # behind what the other oven takes
                    edits.append(Edit(other.end(), other.end(), f". {said.rstrip('.')}"))
                    continue
                if lead[-1:] == ";":
                    first = a + len(text[a:]) - len(text[a:].lstrip())
                    led = [o for o in self.target.operations if o.step == step.index and o.span is not None]
                    led = [o for o in led if o.span and a <= self._at(step, o.span.start) < at]
                    if led and all(o.basis == "retired" for o in led):
                        # "; add the rice, simmer": what led the clause is taken out
                        first = at + len(text[at:]) - len(text[at:].lstrip())
                    till, word = self._begun(step, first)
                    edits.append(Edit(len(lead) - 1, till, f". {said} {word}"))
                    continue
                at = a + len(text[a:]) - len(text[a:].lstrip())
                edits.append(Edit(at, at, f"{said} "))
                continue
            skip = _STARTS_WITH_JOINT.match(text, at)
            at = skip.end() if skip else at
            at += len(text[at:]) - len(text[at:].lstrip(" .,;:…"))
            end = next((b for x, b in sentences(text) if x <= at < b), len(text))
            opened = text[a:start].count("(") - text[a:start].count(")")
            more_signs = (
                _IN_A_SIGN.search(text[a:start])
                and (not verbs_in(text[at:end]) or _OF_THE_SIGN.match(text, at))
                # "High until it boils (5 min), low 12 min"
                and not _TURNED_TO.match(text, at)
            )
            crumb = len(re.findall(r"[^\W\d_]", text[at:end])) < 4 and not _OFF_SO_LONG.match(text, at)
            crumb = crumb or bool(_ONCE_MORE.match(text, at))
            # "when it has boiled half an hour, the sugar is added"; "25 minutes, when it should be dry"
            half = _SUBORDINATE.match(text[a:start]) and not re.search(r"[,:–—]", text[a:start])
            told_when = _SUBORDINATE.match(text, at) and "," not in text[at:end]
            if half and new[0].kind == "head_start" and re.match(r"\s*,", text[start:]):
                # "When it boils, cover and cook": what comes before the cooking stands between the two
                edits.append(Edit(start, at + 1, f", {said[:1].lower()}{said[1:]} {text[at : at + 1].upper()}"))
                continue
            # "cook 15 minutes plus 10 minutes standing": no joint parts them
            one = prev is not None and prev.told is not None and start < self._at(step, prev.told.end) <= end
            late = opened > 0 or more_signs or crumb or half or told_when or one or _BOTTOM.search(text[at:end])
            its_minutes = following.phase in ("heat", "whistles")
            if late and (any(o.kind == "rain" for o in new) or (opened <= 0 and its_minutes)):
                # "bring it back up, low, lid on, 35 min": what is put in comes before the cooking, and never behind its sentence
                edits.append(self._before_its_minutes(step, a, at, said))
                continue
            if late:
                # within a bracket, or a sign ("until browned and it reaches 74 °C"), nothing is cut, and a word left over is no clause of its own
                stop = min(end + 1, len(text))
                edits.append(Edit(stop, stop, f" {said}" if end < len(text) else f". {said}"))
                continue
            till, word = self._begun(step, at)
            edits.append(Edit(start, till, f". {said} {word}"))
        return edits

    def _before_its_minutes(self, step: Step, a: int, at: int, said: str) -> Edit:
        """A sentence put into the one that begins at a and whose cooking is told at `at`: behind the clause that brings it to the boil, else before all of it."""
        text = step.text
        starts = sorted(
            {
                self._at(step, o.span.start)
                for o in self.target.operations
                if o.step == step.index and o.span and o.basis == "said" and a < self._at(step, o.span.start) < at
            }
        )
        boils = [m.end() for m in _TO_THE_BOIL.finditer(text, a, at) if not _SUBORDINATE.match(text[a : m.start()])]
        behind = next((x for x in starts if boils and x >= boils[-1]), None)
        if behind is None:
            first = a + len(text[a:]) - len(text[a:].lstrip())
            return Edit(first, first, f"{said} ")
        first = behind + len(text[behind:]) - len(text[behind:].lstrip())
        till, word = self._begun(step, first)
        return Edit(len(text[:behind].rstrip(" ,;:–—")), till, f". {said} {word}")

    def _begun(self, step: Step, at: int) -> tuple[int, str]:
        """How a sentence begins that stood within another: its first letter, or the grain's new name, large; and where what it replaces ends."""
        told = (o for o in self.target.operations if o.step == step.index and o.was and o.told)
        if any(o.told and self._at(step, o.told.start) == at for o in told):
            # "; 10 minutes off": the new minutes stand there
            return at, ""
        named = next((e for e in self._names(step) if e.start == at and e.new), None)
        return (named.end, cap(named.new)) if named else (at + 1, step.text[at : at + 1].upper())

    # -- small edits -----------------------------------------------------------------------------------------------

    def _minutes(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        edits = []
        for o in mine:
            if o.basis == "retired":
                continue
            if o.id in self.target.untimed and o.span is not None:
                edits.append(self._size(step, o))
            if not o.was or o.told is None or o.typical_min is None:
                continue
            start, end = self._at(step, o.told.start), self._at(step, o.told.end)
            was = step.text[start:end]
            if o.phase == "whistles":
                number = re.search(RANGE_PATTERN, was)
                n = round_half_up(o.typical_min)
                said = was.replace(number[0], str(n), 1) if number else f"{n} whistles"
                said = (
                    re.sub(r"whistles?\b", "whistle" if n == 1 else "whistles", said, flags=re.I)
                    if said[:1].isdigit()
                    else said
                )
            elif was.isdigit():
                said = str(max(0, round_half_up(o.typical_min)))
            else:
                said = said_time(o.low_min or 0.0, o.high_min or 0.0, was)
                if re.match(r"\s+mark\b", step.text[end:]):
                    # "at the 26 minute mark"
                    said = re.sub(r"minutes$", "minute", said)
                if (m := _AN.search(step.text[:start])) and said[:1].isdigit():
                    # "for a quarter of an hour", but "a ten minute rest"
                    if _SO_LONG_A.match(step.text, end):
                        said = re.sub(r"minutes$", "minute", said)
                    else:
                        start = m.start()
            edits.append(Edit(start, end, said))
            edits += self._other_heat(step, o, end)
            if o.phase == "whistles":
                edits += self._other_whistles(step, o, end)
                edits += [
                    Edit(end, d.span.end, "") if d.span.start >= end else Edit(d.span.start, start, "")
                    for d in step.durations
                    if d.kind == "other"
                    and (OR_SO_LONG.fullmatch(step.text, end, d.span.start) or OR_SO_LONG.fullmatch(step.text, d.span.end, start))
                ]  # fmt: skip
        total, now = self.recipe.simmer_min, self.pot.cook_typical
        for d in step.durations:
            # "(so 45 minutes in total)"
            summed = d.kind == "other" and total and abs(d.typical - total) < 1 <= abs(now - total)
            if summed and SUMMED.match(step.text, d.span.end):
                edits.append(Edit(d.span.start, d.span.end, said_time(now, now, d.text)))
        return edits + self._begun_before(step)

    def _other_whistles(self, step: Step, o: Operation, end: int) -> list[Edit]:
        """ "5 whistles: first on high, other four on medium-low": those that are left of fewer are fewer."""
        was, left = dict(o.was).get("typical_min"), round_half_up(o.typical_min or 0.0) - 1
        m = _OTHER_WHISTLES.match(step.text, end)
        if m is None or not was or round_half_up(number_range(m["n"])[0]) != round_half_up(was) - 1:
            return []
        return [Edit(m.start("n"), m.end("n"), str(left))] if left > 0 else []

    def _begun_before(self, step: Step) -> list[Edit]:
        """ "About 25 minutes before serving, start the rice": it is begun so much earlier or later as the new grain takes."""
        was = (self.recipe.simmer_min or 0.0) + (self.recipe.rest_min or 0.0)
        later = self.pot.cook_typical + self.pot.rest_min - was
        if not was or abs(later) < LEAST_EARLIER or self.own.line.cooked:
            return []
        edits = []
        for m in found_in(_BEFORE_THE_MEAL, step.text):
            a, b = next((a, b) for a, b in sentences(step.text) if a <= m.start() < b)
            if not _STARTS_IT.search(step.text, a, b) or not find_grains(step.text[a:b]):
                continue
            low, high = (max(5.0, float(nearest(n + later, 5))) for n in number_range(m["n"]))
            edits.append(
                Edit(m.start("n"), m.end("unit"), said_time(low, high, step.text[m.start("n") : m.end("unit")]))
            )
        return edits

    def _other_heat(self, step: Step, o: Operation, end: int) -> list[Edit]:
        """ "LOW 8 hours or HIGH 4 to 5": the other setting's hours in the same proportion."""
        was = dict(o.was).get("typical_min")
        if (m := _OTHER_OVEN.match(step.text, end)) and was and o.typical_min:
            low, high = (x * o.typical_min / was for x in number_range(m["n"]))
            return [Edit(m.start("n"), m.end(), said_time(low, high, step.text[m.start("n") : m.end()]))]
        m = _OR_AT.match(step.text, end)
        if m is None or not was or not o.typical_min or was < SLOW_MIN or number_range(m["n"])[1] > MOST_HOURS:
            by = o.typical_min / was if was and o.typical_min and o.phase == "heat" else 0.0
            return self._elsewhere(step, end, by) if by else []
        low, high = (max(1, round_half_up(2 * h * o.typical_min / was)) / 2 for h in number_range(m["n"]))
        said = said_quantity(low) if low == high else f"{said_quantity(low)}–{said_quantity(high)}"
        return [] if number_range(m["n"]) == (low, high) else [Edit(m.start("n"), m.end("n"), said)]

    def _elsewhere(self, step: Step, end: int, by: float) -> list[Edit]:
        """ "25 minutes (or 350F for 35 minutes)", "(25 in a fan oven)": as many times what they were as the grain's own."""
        edits = []
        if m := _BY_FAN.match(step.text, end):
            low, high = (round_half_up(n * by) for n in number_range(m["n"]))
            edits.append(Edit(m.start("n"), m.end("n"), f"{low}" if low == high else f"{low}–{high}"))
        for d in step.durations:
            if d.kind == "other" and d.span.start >= end and OR_ELSEWHERE.fullmatch(step.text, end, d.span.start):
                edits.append(Edit(d.span.start, d.span.end, said_time(d.low * by, d.high * by, d.text)))
                end = d.span.end
        return edits

    def _size(self, step: Step, o: Operation) -> Edit:
        """Minutes for a clause that says none, at its end."""
        assert o.span is not None  # noqa: S101 - it came from the text
        a, b = self._at(step, o.span.start), min(len(step.text), self._at(step, o.span.end))
        joint = _JOINT.search(step.text[a:b])
        # a clause that ends where a bracket opens ends before it
        end = a + len(step.text[a : a + joint.start() if joint else b].rstrip(" ("))
        n = round_half_up(self.target.untimed[o.id])
        said = f" for about {n} minutes" if o.phase == "heat" else f" for {n} minutes"
        verb = _UNTIL_OR_LEFT.search(step.text[a:end])
        if verb and verb.start() > 0:
            end = a + len(step.text[a : a + verb.start()].rstrip(" ,"))
        return Edit(end, end, said)

    def _other_vessel(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        """What the grain goes into, where another way of cooking replaced the recipe's: up to where that is told."""
        was, now = self.own.way.method, self.pot.way.method
        if was == now or {was, now} <= STOVE:
            return []
        if now == "steep" and any(o.basis == "said" and _STILL_IN_IT.search(o.text) for o in mine):
            # "dal: cooker, 3½ cups water, 3 whistles", "chicken in the slow cooker, 4 hours on LOW": what else cooks there cooks on
            return []
        ops = self.target.operations
        told = next(
            (i for i, o in enumerate(ops) if o.basis == "inserted" and o.kind in ("way", "cook", "instead", "steep")), 0
        )
        pots = in_pot(self.recipe)
        label = _LABEL.match(step.text) if any(o in mine for o in ops[:told]) else None
        return [
            # "Rice cooker: rice + stock"
            *(vessel_edits(step.text, was, now, 0, label.end()) if label else ()),
            *(
                e
                for o in ops[:told]
                if o in mine and o.basis == "said" and (o.vessel in pots or GREASED.search(o.text)) and o.span
                for e in vessel_edits(
                    step.text, was, now, self._at(step, o.span.start), min(len(step.text), self._at(step, o.span.end))
                )
            ),
        ]

    def _called_by_name(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        """ "Rinse the rice. Put it in a pan": without the first sentence "it" has no meaning."""
        gone = False
        for o, following in zip(mine, mine[1:], strict=False):
            # "Wash the rice, drain well and add": neither of the two names it any more
            gone = o.basis == "retired" and (self.recipe.source in o.what or (gone and not o.what))
            if gone and following.basis != "retired" and following.span:
                at = self._at(step, following.span.start)
                wanted = wants_object(step.text[at : self._at(step, following.span.end)])
                if wanted is not None and self.recipe.source in following.what:
                    # "Wash the rice and add to the pot"
                    wait = _NOT_YET if following.id in self.target.held else ""
                    called = self._measured_in(mine) or f"the {self.a.target.short}"
                    return [Edit(at + wanted, at + wanted, f" {called}{wait}")]
                if m := re.compile(r"\W*\w+ (?P<it>it|them)\b", re.I).match(step.text, at):
                    wait = _NOT_YET if following.id in self.target.held else ""
                    return [Edit(m.start("it"), m.end("it"), f"the {self.a.target.short}{wait}")]
        return []

    def _measured_in(self, mine: Sequence[Operation]) -> str:
        """ "Rinse 150 g of rice": how much of it is told nowhere else, where that clause is gone."""
        for ln in self.own.lines:
            gone = any(o.basis == "retired" and o.span and o.span.start <= ln.span.start < o.span.end for o in mine)
            if gone and ln.section.startswith("step ") and ln.ml and ln.amount_span and not ln.cooked:
                ml = self.a.dry_ml * ln.ml / self.own.dry_ml
                was = ln.text[ln.amount_span.start : ln.amount_span.end]
                said = said_grain(ml, ml * self.a.target.density, ln.unit, of_line(ln, self.measures), was)
                return f"{said} of {self.a.target.short}"
        return ""

    def _when_open(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        """Nothing goes into a locked cooker: what the recipe adds near the end is added when the pressure is down."""
        if not self.own.way.locked and self.a.locked:
            return [
                Edit(m.start(), m.end(), "when the pressure is down and the lid is open")
                for m in found_in(_NEAR_THE_END, step.text)
                if any(
                    o.phase == "from_end"
                    and o.span
                    and m.start() <= self._at(step, o.span.end)
                    and self._at(step, o.span.start) <= m.end()
                    for o in mine
                )
            ]
        return []

    def _all_but_the_grain(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        """ "Put everything in the pot" where something has a head start, or a meal is rained in: the grain waits, and is named with it."""
        ops = self.target.operations
        waits = (
            i
            for i, o in enumerate(ops)
            if o.kind in ("head_start", "rain") or o.kind == "way" and _RAINS.search(o.text)
        )
        starts = next(waits, 0)
        if not any(o in mine and self.recipe.source not in o.what for o in ops[:starts]):
            return []
        before = [o for o in ops[:starts] if o in mine and o.span and o.basis == "said"]
        behind = [o for o in ops[starts:] if o in mine and o.span and o.basis == "said"]
        return [
            Edit(m.end(), m.end(), f" the {self.a.target.short} and" if m["but"] else f" but the {self.a.target.short}")
            for m in found_in(_ALL_OF_THEM, step.text)
            if any(o.span and self._at(step, o.span.start) <= m.start() for o in before)
            and not any(o.span and self._at(step, o.span.end) <= m.start() for o in behind)
            and not find_grains(step.text[: next((b for _, b in sentences(step.text) if m.end() <= b), len(step.text))])
        ][:1]

    def _only_put_in(self, step: Step, mine: Sequence[Operation]) -> list[Edit]:
        """ "Bring the stock and rice to the boil" where it is all put into a cooker that is closed: "put in the stock and rice"; nor a ladle at a time."""
        touched = any(o.basis == "retired" or o.id in self.target.put_in for o in mine)
        if not touched or self.pot.way.method in STOVE:
            return []
        edits = [Edit(*m.span(), "") for m in found_in(_BY_THE_LADLE, step.text)]
        for m in found_in(BRINGS, step.text):
            if not any(
                o.id in self.target.put_in
                and o.span
                and self._at(step, o.span.start) < m.end()
                and m.start() < self._at(step, o.span.end)
                for o in mine
            ):
                continue
            said = "Put" if m["bring"][0].isupper() else "put"
            said += "" if _INTO.match(step.text, m.end()) else " in"
            edits += [Edit(*m.span("bring"), said), Edit(*m.span("boil"), "")]
            gone = [
                self._at(step, o.span.start)
                for o in mine
                if o.span and o.basis == "retired" and o.id in self.target.put_in
            ]
            comma = step.text.rfind(",", m.start(), min(gone, default=m.start()))
            if comma > 0:
                # "the stock, ginger and rice", of which the last waits
                edits.append(Edit(comma, comma + 1, " and"))
        return edits

    def _other_dish(self, step: Step, mine: Sequence[Operation]) -> bool:
        """A step of another dish's own, with no word about the grain, is left as it is."""
        return (
            bool(step.section)
            and step.section != self.own.line.section
            and not find_grains(step.text)
            and not any(o.phase in ("heat", "rest") for o in mine)
        )

    def _of_another(self, step: Step) -> list[Edit]:
        """ "(two if it's old rice)", "If you double it use 2 3/4": amounts of another pot or another rice, true of that rice alone."""
        if self.a.same:
            return []
        found = [
            *another_batch(step.text),
            *self._of_so_many(step),
            *of_other_sorts(step.text, *own_sorts(self.recipe.lines, self.own.line)),
            *(m.span() for p in (OF_ANOTHER, _OLD_RICE) for m in found_in(p, step.text)),
        ]
        grains_own = [
            self._at(step, o.told.start)
            for o in self.recipe.process.operations
            if o.step == step.index and o.phase and o.told
        ]
        found += [(a, b) for a, b in ways_in_brackets(step.text) if not any(a <= at < b for at in grains_own)]
        # "the onions 10 minutes (15 if you like them dark)" are another's
        told = self._own_numbers_end(step)
        found += [
            (a, b)
            for a, b in (m.span() for m in found_in(AS_LIKED, step.text))
            if any(0 <= a - end <= MOST_BEHIND for end in told)
        ]
        found += of_other_ways(self.recipe)[step.index]
        found += self._of_other_things(step)
        gone = [Edit(a, b, "") for a, b in found]
        if self.a.target.family == "rice":
            return gone
        # a cooker's setting is named for its rice
        return gone + [
            Edit(
                *m.span("rice"),
                "Usual" if _BEGINS.search(step.text, max(0, m.start("rice") - 3), m.start("rice")) else "usual",
            )
            for m in found_in(_SETTING, step.text)
        ]

    def _of_other_things(self, step: Step) -> list[tuple[int, int]]:
        """ "Boneless thighs need only 12 minutes", where the new grain takes longer than they do. What needs longer than the pot stands now is never left out:
        nobody else says that bone-in chicken takes 25."""
        was, now = self.recipe.simmer_min, self.pot.cook_typical
        told = [d.span.start for d in step.durations if d.kind == "heat"]
        if not was or not told or abs(now / was - 1) < AS_LONG:
            return []
        mine = [d.span.start for d in step.durations if d.kind != "other"]
        return [
            (a, b)
            for a, b in minutes_of_things(step.text)
            if a > min(told)
            and not any(a <= at < b for at in mine)
            and max(map(float, re.findall(r"\d+", step.text[a:b])), default=inf) <= now
        ]

    def _of_so_many(self, step: Step) -> list[tuple[int, int]]:
        """ "For 2 mugs rice use 4 mugs water and 20 min.", of a recipe for one mug."""
        line = self.own.line
        if not line.ml or line.section.startswith("step "):
            return []
        return [
            m.span()
            for m in found_in(_FOR_SO_MANY, step.text)
            if (said := parse(m["a"], 0, len(m["a"]), self.measures)).ml and abs(said.ml / line.ml - 1) > OTHER_POT
        ]

    def _own_numbers_end(self, step: Step) -> list[int]:
        """Where the grain's minutes and its water end in a step's text."""
        stretches = [
            self._at(step, o.told.end)
            for o in self.recipe.process.operations
            if o.step == step.index and o.phase in ("heat", "rest", "soak", "whistles") and o.told
        ]
        mine = [ln for ln in carriers(self.recipe) if ln.section == f"step {step.index + 1}" and ln.amount_span]
        return stretches + [ln.span.start - step.span.start + ln.amount_span.end for ln in mine if ln.amount_span]

    def _by_the_packet(self, step: Step) -> list[Edit]:
        """ "Heat the rice following the pack instructions and divide between bowls": what was cooked just now has no packet; "cook the rice according to
        package directions": the minutes and the water are told here."""
        if self.a.same:
            return []
        if not self.own.line.cooked:
            return [Edit(*m.span("it"), "") for m in found_in(_AS_PACKED, step.text) if find_grains(m["grain"])]
        return [
            Edit(m.start(), then.end() + 1, step.text[then.end()].upper())
            for m in found_in(BY_THE_PACKET, step.text)
            if (then := GOES_ON_WITH.match(step.text, m.end())) and then.end() < len(step.text)
        ]

    def _names(self, step: Step) -> list[Edit]:
        if self.a.same:
            return []
        edits: list[Edit] = []
        # where the last name that was changed ends
        named = 0
        called = [m.span() for m in found_in(_CALLED, step.text) if find_grains(m["n"])]
        edits += [Edit(a, b, "") for a, b in called]
        for f in find_grains(step.text):
            if any(a <= f.span.start < b for a, b in called):
                continue
            if (
                f.slug != self.own.grain.slug
                and not f.generic
                and grain(f.slug).family != "rice"
                # "rice rava" is the rava from then on
                and not self.own.line.name.lower().endswith(" " + f.text.lower())
            ):
                continue
            if (
                f.slug != self.own.grain.slug
                # "white rice" beside wild rice is one of the two
                and (not f.generic or " " in f.text)
                and any(ln.grain == f.slug and ln not in self.own.lines for ln in self.recipe.lines)
            ):
                continue
            line = self.own.line
            at = f.span.start + step.span.start
            if line.amount_span and line.amount_span.start <= at - line.span.start < line.amount_span.end:
                # "2 rice bowls of it": what it is measured with
                continue
            other = _AND_ANOTHER.match(step.text, f.span.end)
            m = _BOTH_KINDS.search(step.text[: f.span.start])
            if m and not (other and m[0].strip().lower() == "both" and other["w"].lower() not in word_list("verbs")):
                # two rices were one grain to the pot, and are one by name now
                edits.append(Edit(m.start(), m.end(), "the " if m["the"] or m[0].lower().startswith("both") else ""))
            # where the steps alone name the grain with its amount, it is called by its whole name
            whole = line.section == f"step {step.index + 1}" and line.span.start <= at < line.span.end
            new = self.a.target.name if whole else self.a.target.short
            start, end = with_kind(browned(step.text), f.span.start), without_aside(step.text, f.span.end)
            if f.span.start < named:
                continue
            if named and any(_AND_THE.fullmatch(step.text[named:x]) for x in (f.span.start, start) if x >= named):
                # "rice, the jasmine one, beras wangi", "add the sticky rice and rice", "rice, egyptian or calrose", "arborio or double-carolina rice": once
                edits.append(Edit(named, f.span.end, ""))
                named = f.span.end
                continue
            begins = not step.text[:start].strip() or step.text[:start].rstrip()[-1] in ".!?:;•"
            begins = begins and not _AMOUNT_SHORT.search(step.text[:start])
            said = cap(new) if step.text[start : start + 1].isupper() and (begins or step.text[:end].isupper()) else new
            said = new.upper() if step.text.isupper() else said
            if not _ONLY_TAKEN.search(step.text[:start]) and any(
                o.id in self.target.held and o.span and o.span.start <= at < o.span.end for o in self.target.operations
            ):
                said += _NOT_YET
            edits.append(Edit(start, end, said))
            named = end
            if self.a.target.many and (one := _ONE_DOES.match(step.text, end)):
                # "until the rice is mushy" is said of grits in the plural
                word = one["v"].lower().replace("’", "'")
                edits.append(Edit(*one.span("v"), _MANY_DO.get(word, word[:-1])))
        if self.own.grain.slug == "rice-grits":
            # "Rain in the grits": the list has said of what
            edits += [
                Edit(m.start(), m.end(), cap(self.a.target.short) if m[0][:1].isupper() else self.a.target.short)
                for m in found_in(_GRITS_ALONE, step.text)
                if not any(e.start < m.end() and m.start() < e.end for e in edits)
            ]
        if self.a.target.family != "rice":
            edits += [Edit(*m.span(), "") for m in found_in(_RICES_TOOL, step.text)]
        return edits + self._called_by_its_kind(step, edits)

    def _called_by_its_kind(self, step: Step, named: Sequence[Edit]) -> list[Edit]:
        """ "Rice: 3 cups short grain, wash, soak": the kind goes with the name it stands for, which the label has said already."""
        line = self.own.line
        at, ends = line.span.start - step.span.start, line.span.end - step.span.start
        m = GRAIN_ALONE.search(step.text, at, ends) if line.section == f"step {step.index + 1}" and at >= 0 else None
        if m is None or any(e.start < m.end() and m.start() < e.end for e in named):
            return []
        if any(at <= e.start < ends for e in named):
            return [Edit(len(step.text[: m.start()].rstrip()), m.end(), "")]
        # nothing else in the text says which it is
        return [Edit(with_kind(step.text, m.start()), m.end(), self.a.target.name)]

    def _amounts(self, step: Step) -> list[Edit]:
        edits = self._told_here(step)
        mine = carriers(self.recipe)
        milks = any("milk" in ln.kind for ln in mine)
        told = [(e.start, e.end) for e in edits]
        for m in found_in(_LIQUID_AMOUNT, step.text):
            if (
                _IF_NEEDED.search(step.text[: m.start()])
                or _IF_AFTER.match(step.text, m.end())
                or any(m.start() < end and start < m.end() for start, end in told)
            ):
                continue
            ml = self._ml(m)
            if ml is None or not self.a.carrier_was_ml or (m["what"].lower() == "milk" and not milks):
                continue
            whole = any(abs((ln.ml or 0) - ml) < 3 for ln in mine)
            if not whole and COOKED_AWAY.match(step.text, m.end()):
                continue
            if all(ln.name == KEPT for ln in mine) and (
                _THE_OTHER.search(step.text, 0, m.start())
                or all(step.index + 1 < int(ln.section[5:]) and REMAINING.match(ln.text) for ln in mine)
            ):
                # "the other 4 cups stock" went elsewhere, and so did those before "the remaining 2 cups"
                continue
            if not whole and all(ln.name == KEPT for ln in mine):
                # the pot has a part of it, told by itself; the rest went elsewhere
                continue
            if not whole and any(
                abs((ln.ml or 0) - ml) < 3 and ln.kind in ("water", "stock")
                for ln in self.recipe.lines
                if ln not in mine
            ):
                # another dish's own water
                continue
            part_of_it = _OF_THE.search(m[0] + step.text[m.end() : m.end() + 8]) or _INTO_EACH.match(step.text, m.end())
            elsewhere = self._before_the_grain(step)
            if not whole and not part_of_it and (elsewhere and not self._all_told() or not self._in_parts()):
                # a little water beside it that is no part of the pot's
                continue
            if not whole and ml > self.a.carrier_was_ml + 3:
                self.check.append(
                    Problem("liquid", step.text, f"“{m[0]}” is not one of the pot's liquids as I read them; check it.")
                )
                continue
            if not whole and ml < self.a.pour_ml / 2 and self._rest_goes_in(step, m.end()):
                # "½ cup of the broth, scrape … pour the remaining broth over": the rest carries the change
                continue
            new = self.a.carrier(ml)
            if abs(new - ml) >= 2.5 and new >= LEAST_ML:
                said = said_liquid(new, canonical_unit(m["unit"]) or "ml", self.measures, m[0])
                again = _OR_AGAIN.match(step.text, m.end())
                edits.append(Edit(m.start(), again.end() if again else m.end(), said))
        for ln in mine:
            # "add the 1 3/4 cups", "you'll need 7 cups": the list's own amount, without its name
            if ln.amount_span is None or not ln.ml or ln.section.startswith("step "):
                continue
            was = ln.text[ln.amount_span.start : ln.amount_span.end]
            if was.lower() not in step.text.lower():
                continue
            new = self.a.carrier(ln.ml)
            for m in re.finditer(
                rf"(?:\b(?:the|need|want|take|measure|meça|mida|misurate?|mesurer?|mesurez|to|water|stock|broth|liquid|pani|yakhni) |{_IN_A_BRACKET})(?P<a>{re.escape(was)})(?=\s*(?:[.,;()]|$|and\b|(?:of )?(?:the )?(?:water|stock|broth)\b))",
                step.text,
                re.I,
            ):
                if (
                    abs(new - ln.ml) >= 2.5
                    and new >= LEAST_ML
                    and not any(m.start() < end and start < m.end() for start, end in told)
                ):
                    edits.append(
                        Edit(m.start("a"), m.end("a"), said_liquid(new, ln.unit, of_line(ln, self.measures), was))
                    )
        if mine and self.a.carrier_was_ml:
            if abs(self.a.carrier(100.0) - 100.0) >= 1:
                edits += [Edit(*m.span("cup"), "") for m in found_in(_REMAINING_CUP, step.text)]
            # "a litre of stock, you won't need it all, maybe 900 ml"
            edits += [
                Edit(at, end, said_liquid(self.a.carrier(ml), str(canonical_unit(unit)), self.measures, ""))
                for m in found_in(_NOT_ALL, step.text)
                for at, end, unit in [
                    (m.start("n"), m.end("unit"), m["unit"]) if m["n"] else (m.start("m"), m.end("other"), m["other"])
                ]
                if (ml := parse(m.string, at, end, self.measures).ml) and abs(self.a.carrier(ml) - ml) >= 2.5
            ]
        edits += [*self._by_a_sign(step), *self._soaked_in(step), *self._frozen_no_more(step)]
        for m in found_in(_GRAIN_AMOUNT, step.text) if step.index <= self._cooked_by() else ():
            if any(m.start() < end and start < m.end() for start, end in told):
                continue
            unit = canonical_unit(m["unit"]) or ""
            ml = self._ml(m)
            if ml is None:
                amount = make_amount(*number_range(m["n"]), unit, self.measures)
                ml = amount.g / self.own.grain.density if amount.g else None
            if ml and self.own.dry_ml and not self.own.line.cooked:
                part = ml * self.a.dry_ml / self.own.dry_ml
                if abs(part * self.a.target.density - ml * self.own.grain.density) >= 0.5:
                    edits.append(
                        Edit(
                            m.start(),
                            m.end(),
                            said_grain(part, part * self.a.target.density, unit, self.measures, m[0]),
                        )
                    )
        return edits

    def _cooked_by(self) -> int:
        """The last step in which the grain is cooked or rests: what is weighed of it afterwards is cooked."""
        mine = ("heat", "whistles", "rest", "release")
        return max(
            (o.step for o in self.recipe.process.operations if o.phase in mine and o.step is not None),
            default=MOST_STEPS,
        )

    def _before_the_grain(self, step: Step) -> bool:
        """Is nothing said of the grain there, nor before it?"""
        return not any(find_grains(st.text) for st in self.recipe.steps[: step.index + 1])

    def _in_parts(self) -> bool:
        """Do the steps pour the pot's liquids in parts, "3 cups of it … then the rest"?"""
        texts = [st.text for st in self.recipe.steps]
        return any(_THE_REST.search(t) for t in texts) or self._all_told()

    def _all_told(self) -> bool:
        """Do the amounts of the steps come to what the pot gets?"""
        said = sum(self._ml(m) or 0.0 for st in self.recipe.steps for m in found_in(_LIQUID_AMOUNT, st.text))
        return abs(said - self.a.carrier_was_ml) <= 0.06 * self.a.carrier_was_ml

    def _by_a_sign(self, step: Step) -> list[Edit]:
        """ "until it stands 2 cm above the rice", "to the 3 mark": a sign for the old grain's water, so the new one's amount stands there instead."""
        if self.a.same or self.a.pour_ml < LEAST_ML or self.own.line.cooked:
            return []
        if self.a.carrier_was_ml and self.a.trusted:
            # beside an amount the sign only tells what the rice's amount came to
            gone = [Edit(a, b, "") for a, b in (*signs.asides(step.text), *signs.same_level(step.text))]
            return gone or self._level(step)
        if (self.a.carrier_was_ml or self.a.others_ml) and (level := signs.same_level(step.text)):
            return [Edit(a, b, "") for a, b in level]
        place = signs.in_step(step.text)
        if place and self._boils_another(step):
            return []
        others = [s.text for s in self.recipe.steps if s is not step]
        by_the_grain = place is not None and signs.of_the_grain(step.text, place)
        if place and not by_the_grain and any((p := signs.in_step(t)) and signs.of_the_grain(t, p) for t in others):
            # "Cover with water by two fingers" was the meat's: further on it is told of the rice
            return []
        first = self._first_told()
        if place and step.index < first and any(signs.in_step(s.text) for s in self.recipe.steps[first:]):
            # "Cover with water by a finger, simmer 40 minutes", and the grain with its own water comes later
            return []
        before = () if by_the_grain else self.recipe.steps[min(first, step.index) : step.index]
        if place is None or any(signs.in_step(s.text) for s in before):
            # a second sign is another pouring: what it comes to nobody knows
            return []
        # a line of the pot is reached with what was poured before; so is the amount that stands in its place
        whole = " in all" if not self.a.others_ml and _POURED_BEFORE.search(step.text[: place[0]]) else ""
        if signs.is_filled(step.text, place[0]):
            return [Edit(*place, f"with {jug_ml(self.a.pour_ml)} ml of water{whole}")]
        return [Edit(*place, f"({jug_ml(self.a.pour_ml)} ml{whole})")]

    def _soaked_in(self, step: Step) -> list[Edit]:
        """ "its soaking water", "the water it was soaking in", of a grain that is not soaked any more: the water."""
        soaks = [o for o in self.recipe.process.operations if o.kind == "soak"]
        # where something else soaks too, "the soaking water" may be the mushrooms'
        if self.a.same or self.a.soaks or not soaks or any(o.phase != "soak" for o in soaks):
            return []
        return [Edit(*m.span("it"), "the water") for m in found_in(_SOAKED_IN, step.text)]

    def _frozen_no_more(self, step: Step) -> list[Edit]:
        """ "Add the frozen rice", of a grain that is not frozen any more."""
        if not any(o.basis == "retired" and o.reason.startswith(UNFROZEN) for o in self.target.operations):
            return []
        return [Edit(m.start(), m.end(), "") for m in found_in(_FROZEN_RICE, step.text)]

    def _first_told(self) -> int:
        """The step that first does something with the grain; 0 if none says so."""
        mine = (o.step for o in self.recipe.process.operations if self.recipe.source in o.what and o.step is not None)
        return next(mine, 0)

    def _boils_another(self, step: Step) -> bool:
        """ "Chicken in the pot with water to cover by 4 fingers": is it meat or pulses that the step puts into water, and the grain comes later?"""
        if step.index >= self._first_told():
            return False
        told = set().union(*(o.what for o in self.recipe.process.operations if o.step == step.index))
        return any(ingredients.heat_wanted(ln)[1] or ln.drinks for ln in self.recipe.lines if ln.index in told)

    def _level(self, step: Step) -> list[Edit]:
        """ "liquid should be about 1 inch above the rice": so much higher or lower as the new pour stands over its own grain."""
        m = signs.level(step.text)
        was = self.a.carrier_was_ml + self.a.others_ml - BETWEEN * self.own.dry_ml
        now = (self.a.pour_ml + self.a.others_ml - BETWEEN * self.a.dry_ml) / max(1.0, self.a.scale)
        if m is None or was <= 0 or now <= 0:
            return []
        unit = m["unit"].lower()
        step_of = 0.25 if unit.startswith("inch") else 5.0 if unit.startswith("mm") else 0.5
        told = number_range(m["n"])[0]
        new = max(step_of, nearest(told * now / was / step_of, 1) * step_of)
        if abs(new - told) < step_of:
            return []
        said = m["unit"] if not unit.startswith("inch") else "inches" if new > 1 else "inch"
        return [Edit(*m.span("depth"), f"{said_quantity(new)} {said}")]

    def _told_here(self, step: Step) -> list[Edit]:
        """New amounts of the grain and liquids that only this step states."""
        edits = []
        for ln in self.recipe.lines:
            if ln.section != f"step {step.index + 1}" or ln.amount_span is None or not ln.ml:
                continue
            at = ln.span.start - step.span.start
            start, end = at + ln.amount_span.start, at + ln.amount_span.end
            was = step.text[start:end]
            if ln in self.own.lines and not ln.cooked:
                ml = self.a.dry_ml * ln.ml / self.own.dry_ml
                same = abs(ml - ln.ml) < 0.5 and (self.a.same or ln.unit not in ("g", "kg", "oz", "lb"))
                said = (
                    was
                    if same
                    else said_grain(ml, ml * self.a.target.density, ln.unit, of_line(ln, self.measures), was)
                )
                edits.append(Edit(start, end, said))
                # "1 mug basmati (about 200 g)": the bracket weighs the other grain
                aside = None if self.a.same else _WEIGHS.search(step.text, end, at + len(ln.text) + MOST_BEHIND)
                if aside and aside.start() <= at + len(ln.text) + 1 and ln.g:
                    edits.append(Edit(*aside.span("a"), f"{round_half_up(ml * self.a.target.density)} g"))
            elif ln in carriers(self.recipe):
                new = self.a.carrier(ln.ml)
                again = _OR_AGAIN.match(step.text, end) if abs(new - ln.ml) >= 2.5 else None
                edits.append(
                    Edit(
                        start,
                        again.end() if again else end,
                        was
                        if abs(new - ln.ml) < 2.5 or new < LEAST_ML
                        else said_liquid(new, ln.unit, of_line(ln, self.measures), was),
                    )
                )
                if m := _FILLS.match(was):
                    # the tin is not filled any more, and the water poured all the same
                    rest = re.split(r"[.;!?]", step.text[end : end + 80])[0]
                    verb = "measure" if _POURED_THEN.search(rest) else "add"
                    verb = verb.capitalize() if m[0][:1].isupper() else verb
                    edits[-1] = Edit(start, end, f"{verb} {jug_ml(new)} ml")
                    if tail := _NOT_FULL.search(ln.text, ln.amount_span.end):
                        edits.append(Edit(at + tail.start(), at + len(ln.text), ""))
                if (
                    (
                        (ln.name == KEPT and not self._bought_along())
                        or (ln.name == PART and new > self._bought(ln))
                        or _THERE_SHOULD_BE.search(step.text[:start][-40:])
                    )
                    and new > ln.ml
                    and not _MADE_UP.search(step.text, end)
                ):
                    # so much more may not be left of it
                    behind = max(end, at + len(ln.text))
                    if of_it := _OF_ITS_KIND.match(step.text, behind):
                        behind = of_it.end()
                    inside = step.text[:behind].count("(") > step.text[:behind].count(")")
                    said = ", top up with water if short" if inside else " (top up with water if short)"
                    edits.append(Edit(behind, behind, said))
                if edits[-1].new != was and told_by_the_grain(ln):
                    edits += as_the_grain(step.text, end)
        return edits

    def _bought(self, kept: Line) -> float:
        """Millilitres the list has of what a step pours a part of."""
        return max(
            (
                ln.ml or 0.0
                for ln in self.recipe.lines
                if ln.carrier and ln.kind == kept.kind and not ln.section.startswith("step ")
            ),
            default=0.0,
        )

    def _bought_along(self) -> bool:
        """Does the list have as much more of the liquid as its rest that goes to the grain is more?"""
        mine = frozenset(ln.index for ln in carriers(self.recipe))
        return any(with_its_portions(ln, self.recipe, self.a, mine) is not None for ln in self.recipe.lines)

    def _rest_goes_in(self, step: Step, behind: int) -> bool:
        """Does the text pour "the remaining broth", by no amount, after this place?"""
        later = [s.text for s in self.recipe.steps if s.index > step.index]
        return any(THE_REST.search(t) for t in (step.text[behind:], *later))

    def _ml(self, m: re.Match[str]) -> float | None:
        try:
            first = make_amount(*number_range(m["n"]), canonical_unit(m["unit"]) or "", self.measures).ml
            if not m.groupdict().get("more"):
                return first
            more = make_amount(*number_range(m["more"]), canonical_unit(m["of"]) or "", self.measures).ml
            return None if first is None or more is None else first + more
        except ValueError:
            return None


def _begun_anew(e: Edit, text: str, edits: Sequence[Edit]) -> Edit:
    """What stood behind the semicolon of a sentence that is gone begins one: "… [simmer, shaking it;] It should stay soupy"."""
    begins = text[: e.start].rstrip()[-1:] in ("", ".", "!", "?")
    small = not e.new and text[e.start : e.end].rstrip()[-1:] == ";" and text[e.end : e.end + 1].islower()
    if begins and small and not any(x.start <= e.end < x.end for x in edits):
        return Edit(e.start, e.end + 1, text[e.end].upper())
    return e


def _bracket_end(text: str, a: int, b: int, edits: Sequence[Edit]) -> int:
    """Where a bracket ends that was opened in what the last edit took out of text[a:b]; 0 if none was."""
    opening = text.rfind("(", a, b)
    cut = opening >= 0 and ")" not in text[opening:b] and bool(edits) and edits[-1].start <= opening < edits[-1].end
    close = text.find(")", b) if cut else -1
    return close + 1 + len(re.match(r"[\s.;,]*", text[close + 1 :])[0]) if close >= 0 else 0  # type: ignore[index]


def _says(text: str, stays: Sequence[tuple[int, int]]) -> bool:
    """Is what is left of a sentence more than a crumb ("800 W)", "or so")?"""
    return any(verbs_in(text[a:b]) or len(re.findall(r"[^\W\d_]{3,}", text[a:b])) > 2 for a, b in stays)


def _without(text: str, a: int, b: int, places: Sequence[tuple[int, int]], gone: set[tuple[int, int]]) -> list[Edit]:
    """The edits that leave only the clauses that stay in a sentence, each with the joint before it."""
    edits = []
    stays = [p for p in places if p not in gone]
    first, last = stays[0], stays[-1]
    # what stood before the first that stays: it now begins the sentence
    if any(p < first for p in gone):
        at = first[0]
        skip = _STARTS_WITH_JOINT.match(text, at)
        at = skip.end() if skip else at
        lead = len(text[a:b]) - len(text[a:b].lstrip())
        edits.append(Edit(a + lead, at + 1, text[at : at + 1].upper()))
    for p in places:
        if p in gone and first < p < last:
            edits.append(Edit(p[0], p[1], ""))
    if any(p > last for p in gone):
        body = text[last[0] : last[1]]
        joint = _JOINT.search(body)
        cut = last[0] + (joint.start() if joint else len(body))
        # a bracket that was opened is closed, one of which nothing is left goes
        empty = _OPENS.search(text, a, cut)
        cut = empty.start() if empty else cut
        open_ = text[a:cut].count("(") > text[a:cut].count(")")
        edits.append(Edit(cut, b, ")" if open_ else ""))
    return edits
