"""The target's Process, made from the recipe's: each phase of the grain's track is matched to an operation of the text and its minutes changed, inserted at its
place in the track, or an operation is retired with a reason. What is not the grain's keeps its numbers.

A case by hand (leek pan, to pearl barley): source  fry leek 6 · add rice · toast 2 · add stock · boil · cook 15 · add beans · cook 5 · off · rest 10 · fluff
    matched    cook 15 → 24 (the change falls on the longest stretch; the beans' 5 from the end stay) · rest 10 → 5
    inserted   rinse, first of all · look, before the heat is turned off
    retired    nothing
The order of the operations is the order in the pot; where the text is cut for an insertion follows from it (rewrite.py).
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from itertools import pairwise

from ..grains import Grain
from ..measures import round_half_up
from ..pot import Pot, Way
from ..pot.account import said_minutes
from ..pot.ways import cap
from ..problems import Problem
from ..process import Operation, Process, one_sentence
from ..quick import lazy, quick
from ..reading import ingredients
from ..reading.clauses import verbs_in
from ..reading.dish import grain_lines
from ..reading.placing import BOWL_ABOVE
from ..reading.pot_words import COOLED_ABROAD, PREHEATS_ABROAD, classes, of_another_tongue
from ..recipe import Line, Recipe, Step, once
from ..text.sentences import sentences as sentences_of
from . import sentences
from .backwards import Own, carriers
from .beside import Early, Joins, called, early, raw_later, raw_meanwhile
from .blends import Plan
from .cookings import (
    AT_HEAT,
    BAKED,
    BY_THE_PACKET,
    DRAINED,
    GOES_ON_WITH,
    TAKEN_OUT,
    boiled_through,
    finish_stays,
    finishing,
    in_a_sauce,
    in_pot,
    last_heat,
    rains,
    rest_said,
    shared,
    turning,
    untimed,
)
from .kept import left_out
from .lines import Amounts, beyond_tin
from .vessels import vessel_edits

# phases that are the grain's own cooking
_GRAINS_OWN = (*AT_HEAT, "rest", "release", "come_up", "toast")
# "stirring through the cream and | zest"
_AND = lazy(r"(?:\band|&|\+)\s*$", re.I)
_A_NAME = lazy(r"[^\W\d_]{3,}(?: [^\W\d_]+)?\W*")
_FRIED = ("stir", "toast", "fry")
# the sentences that cook it another way
_COOKS = frozenset(("steep", "way", "instead", "cook", "rain"))
# "until the prawns are pink and the rice is tender"
_UNTIL = lazy(r"\b(?:until|till)\b", re.I)
_OVER = lazy(
    r"\b(?:flip|turn)\b[^.;]{0,24}\bover\b|\b(?:flip|turn) the (?:whole|slab|cake|lump|parcel)\b|\bkeep an eye on the (?:pot |steamer )?water\b",
    re.I,
)
# "until shiny and tender", of which "tender" is left
_SO = quick(
    r"\W*(?:just |quite |very )?(?:tender|soft|done|cooked(?: through)?|dry|thick|golden|set|fluffy|plump|shiny)\W*(?:and\W*)?",
    re.I,
)
_IS_SO = lazy(
    r"\W*(?:the )?(?:[a-z]+ ){1,4}?(?:is|are|has|have|looks?|reach\w*|brown(?:ed|s)|golden|tender|soft(?:ened)?|crisp\w*|bubbl\w+|melted|charred|cooked through|done)\b",
    re.I,
)
_TURNED_LOW = lazy(
    r"\W*(?:then )?(?:reduce|lower|turn (?:it |the heat )?down)(?: the)?(?: heat)?(?: to)?(?: the)?(?: (?:very )?(?:low|lowest|medium[- ]low|a simmer))?(?: and)?\W*",
    re.I,
)
_BRING_BEGUN = lazy(r"\W*(?:and |then )?bring\b(?![^.;]*\b(?:boil|simmer|bubble)\b)", re.I)
_JOINS = lazy(r"\W*(?:and|or)\W*", re.I)
_AFTER_SO_LONG = lazy(r"\W*(?:after|when|once)\b[^.;]{0,24}\d", re.I)
# what a clause begins with that goes on with the cooking before it
_GOES_ON = quick(
    r"\W*(?:or\s+)?(?:until|till|til|so that|half[- ](?=cover|lid)|partly|partially|more often|or so|stir (?:it |the \w+ )?(?:(?:gently|well) )?(?:every|occasionally|often|now|once|twice|from time|frequently|regularly|constantly|a few times)|stirring|turning|shaking|without|undisturbed|covered|uncovered|lid|with|over|on|at|in|very|still|shut|closed|checking|topping|depending|about|around|maybe|low|lowest|no|not|never|don't|dont|do not|(?:the )?(?:rice|grains?|it) (?:is|are)|(?:re)?moviendo|revolviendo|mescolando|mexendo|sin|senza|ohne|sans|sem|finch[ée]|fino a|hasta|bis|jusqu\w*|até|tot"
    # "replenishing with boiling water", but not what ends the cooking
    r"|(?!remov|tak|serv|leav|rest|lett|switch|stand|cool|drain|fluff|lift|turning off)[a-z]{3,}ing)\b",
    re.I,
)
_STIRRING_ALONE = lazy(
    r"\W*(?:stirring|whisking)(?: (?:all the while|all the time|constantly|continuously|well|briskly|as you (?:go|do)|to stop lumps))?\W*(?:(?:and|then)\W*)*",
    re.I,
)
_WHILE_STIRRING = lazy(r"\W*(?:stirring|turning|shaking|tossing)\b", re.I)
_POURS_IN = lazy(r"\b(?:add|pour|tip|stir)\b(?=[^,;]*\b(?:water|stock|broth|milk)\b)", re.I)
# what is done to the pot itself on the way, and puts nothing in
_ONCE_ON_THE_WAY = lazy(r"\b(?:stir|turn|toss|shak|rotat|bast)\w*\b|\bagain (?:after|at)\b", re.I)
_IT_GOES_IN = lazy(r"\b(?:add|put|tip|stir|pour)\b(?:[^.;]{0,12}\bit\b| (?:in)?to the\b| in\b)", re.I)
_GOES_IN_ALONE = lazy(r"\W*(?:add|put in|tip in|stir in)(?: (?:it|the rice|rice))?\W*", re.I)
_PERHAPS = lazy(r"\b(?:if|should|in case)\b", re.I)
_WHEN_DONE = lazy(
    r"\W*(?:when|once|as soon as)\b[^,.;]*\b(?:al dente|done|tender|cooked(?: through)?|ready|soft|finished)\b", re.I
)
# minutes that something raw may lack and be done all the same: it lies in the pot while it comes up, and while it rests
LEAST_RAW = 2.0
_HALF_WAY = quick(
    r"\W*(?:and |then )?(?:about )?(?:half[- ]?way|midway|part[- ]?way|at half[- ]?time|a (?:la )?mitad|a metà|à mi-|nach der hälfte|a meio|yarı)\b",
    re.I,
)
_WHEN = quick(r"\W*(?:when|once|after|as soon as|while|if)\b", re.I)
_SPREADS = lazy(
    r"\b(?:spread|tip|turn|take|transfer|scoop|empty) (?:it |the \w+ |rice )?(?:out|on|onto|into|in|to)\b", re.I
)
# the whole cooking stands in these operations; another way of cooking replaces them
# ways that are one pot on the stove
STOVE = {"covered", "open", "soup"}
_COOLS = ("cool", "chill")
_COLD_TAP = lazy(r"\b(?:under|through) (?:(?:the|a|running|cold) )*tap\b|\bcold tap\b", re.I)
_UNDER_THE_TAP = lazy(
    r"\b(?:under|in|with|through) (?:(?:the|a|some|running|very|cold|iced?) )*(?:tap|water)\b|\bcold tap\b|\brefresh\b",
    re.I,
)
_COOKING = ("boil", "cook", "cover", "off", "release", "rest", "drain", "stir", "look")
# ways that are told in one sentence; the others stage by stage
IN_ONE_SENTENCE = ("covered", "open", "soup", "steep", "drain")
# "bring the stock and the rice to the boil", not "bring it to the boil"
BRINGS = lazy(
    r"\b(?P<bring>bring)\s+(?P<what>(?:the|a|an|your|all the|both|\d[\d.,/½¼¾⅓⅔]*)\b[^.;:()]*?)(?P<boil>\s+(?:back |up )?to (?:a |the )?(?:\w+ )?(?:boil|simmer)\b)",
    re.I,
)
# plenty of water, boiled beforehand
_BIG_POT = lazy(
    r"\b(?:bring|boil|heat|get|put)\b[^.;]{0,30}\b(?:water|litres?|liters?|quarts?)\b[^.;]{0,40}\bboil|\bbring\b[^.;]{0,20}\b(?:big|large|huge) (?:pot|pan)\b",
    re.I,
)
_LID_WORD = lazy(r"\W*(?:un)?covered\W*(?:and\W*)?", re.I)
# what was drained goes back into its pot
_BACK_IN = lazy(
    r"\b(?:return|back|tip|put)\b[^.;]{0,20}\b(?:in|into|to) the (?:(?:warm|hot|dry|empty|same|rinsed) )+(?:pot|pan)\b|\bshake off\b",
    re.I,
)
# "remove the stick and the skin"
_TAKES_OUT = lazy(
    r"\b(?:remove|take out|discard|fish out|pick out) (?:the |your |any )?(?!lid|heat|fire|flame|pot|pan|cover|foil|cloth|towel|rice|it\b|from|and)[a-z]{3,}",
    re.I,
)
_STIRS_IN = lazy(r"\b(?:stir|beat|fold|mix|whisk|toss)\w* (?:in|through)\b|\b(?:add|grate|squeeze)\b", re.I)
# "start tasting at 10"
# "leave to cool in the pan": as long as that takes
_COOLS_OFF = lazy(r"\b(?:cool|cold|tepid|lukewarm)\w*\b", re.I)
_CLOSES = lazy(r"\b(?:seal\w*|clos(?:e|ed|ing)|lock\w*|valve|set (?:it )?to)\b", re.I)
# "Open, pandan out, and stir in the milk": the cooker's lid
# nobody mashes, or stirs syrup into, what is shut
_LID_OFF = lazy(
    r"\W*(?:(?:and|then|now|slightly|lightly|gently) )*(?:open(?: (?:it|the (?:lid|cooker|pot)))?|quick[- ]release|QR|mash|whisk|check)\b(?! flame| fire)",
    re.I,
)
_TASTES = lazy(
    r"\W*(?:(?:start|begin) (?:tasting|checking|testing|looking)|(?:taste|bite|try|test)(?: (?:it|one|some|(?:a|the) (?:few )?(?:rice|grains?)|a few)|:(?= it\b))(?![^.;]*\b(?:salt|season\w*|spices?|sugar|lemon)\b))\b",
    re.I,
)
_GOES_ON_POURING = lazy(
    r"\W*(?:carry on|continue|keep(?: on)?|go on) (?:adding|ladling|pouring)\b[^.;]*|\W*(?:a|one) ladle(?:ful)? at a time\W*",
    re.I,
)
# what only the recipe's own appliance wants done
_GEAR = lazy(
    r"\b(?:steamer|push|foil|pressure|boiling water|(?:touch|above|over) the water|muslin|cheesecloth|cloth|basket|bottom pot|trivet|spread|fold|press|switch|setting|cooker|lid|microwave|valve|whistle|weight|lock|seal|cancel|set (?:it )?(?:to|on) |^\W*(?:(?:and|then) )*(?:press |push )?start\W*$|hit (?:the )?(?:start|cook|button)|cycle|program(?:me)?|button(?! mushroom)|beeps?|(?:turn|reduce|lower|bring) (?:the |it )?(?:heat|flame|gas|fire|down))\b",
    re.I,
)
# "tip everything into the rice cooker": it goes in, whatever the vessel is called then
_PUTS = lazy(
    r"\W*(?:(?:then|and|now) )*(?:put|place|tip|throw|chuck|dump|add|pour|combine|mix|scrape|load|empty)\b", re.I
)
_EVERYTHING = lazy(
    r"\b(?:everything(?! else)|the lot|all (?:the )?(?:ingredients|of it)|it all|them all|all in|all (?:but|except) (?:the|your|my)(?= [^\W\d]))\b",
    re.I,
)
_INTO_WATER = lazy(
    r"\b(?:cover|top|fill|submerge)\w*\b[^.;]*\bwater\b|\bin(?:to)? (?:a|another) (?:(?:large|big|medium|mixing|deep|small) )*(?:bowl|basin|jug|container)\b",
    re.I,
)
_INTO_A_SIEVE = lazy(r"\b(?:sieve|colander|strainer)\b", re.I)
_TO_COOL = lazy(
    r"\b(?:leave|let|allow|set aside)\b[^.;]{0,16}\bcool\b|\bcool (?:it|them|down|completely|a little|before)\b", re.I
)
# so many clauses make a steamer ready
MOST_OF_A_BASKET = 8
# minutes fewer than it had that are worth a word
LESS_BELOW = 2.0
_STEAMER = lazy(r"\b(?:steamer|basket|muslin|cheesecloth|trivet)\b", re.I)
# what heats an oven, and nothing else
_OVEN_ON = lazy(
    r"\b(?:pre-?)?heat(?:ing)? (?:the |your |an? )?oven\b|\bpreheat\b|^\W*oven\b[^.;]{0,8}\d{2,3}|\boven (?:on )?(?:to|at) (?:gas |\d)"
    rf"|\b{PREHEATS_ABROAD}\b",
    re.I,
)
# how the grain is made ready before it goes in
# "rice should still be half raw", after what cooks it
_HOW_IT_IS = lazy(r"\b(?:should|must|ought to|will) (?:still |now |just )?(?:be|look|feel|have)\b", re.I)
# the recipe makes its crust itself
_COOLS_ABROAD = lazy(rf"\b{COOLED_ABROAD}", re.I)
_TURNED_IN_FAT = lazy(
    r"\W*(?:(?:and|then) )*(?:turn|stir|toss|move|coat|mix|swirl)\w*(?: (?:it|them|well|about|around|round|over|gently))* (?:in|with|through|to coat|so (?:that )?(?:it|every grain) is coated|(?:until|till) (?:it is |it's |they are |well |all |evenly )*(?:coated|glossy|shiny|slick))\b[^.;!?]{0,40}",
    re.I,
)
_STIRRED_ABROAD = lazy(
    r"\W*(?:(?:zwischendurch|dabei|gelegentlich|ab und zu|immer wieder|hin und wieder)\b|(?:en )?remu\w+|en mélangeant|mescol\w+|revolv\w+|remov(?:er|iendo|emos)\b|mexendo|mexa|roer\b|al roerend|rör om|under omr[øö]r\w+|mieszaj\w*|(?:ara sıra )?karıştır\w*|sambil di)",
    re.I,
)
_STIRRED = lazy(
    r"\bstir(?:ring)? (?:it )?(?:often|occasionally|regularly|frequently|constantly|now and|from time|once or)\b", re.I
)
# what such a crust is looked for in; a chicken rice of round grain has a lid on it
_CRUSTED = lazy(r"\b(?:paell\w+|a banda|bomba|calasparra|senia|albufera)\b", re.I)
_A_PAN = lazy(r"\bpan\b", re.I)
_CRUST = lazy(r"\b(?:socarrat|crust\w*|crackl\w*|tahdig|pegao|xoon|scorched? bottom)\b", re.I)
_SOUPY = quick(r"\b(?:soupy|brothy|caldos[oa]|meloso|loose|runny|creamy)\b", re.I)
# "the last minute strong, for the crust"
_CRISPS = lazy(
    r"\b(?:last|final|end)\b[^.;!?]{0,40}\b(?:socarrat|crust\w*|crackl\w*|bottom)\b|\b(?:strong|high|hard|fierce|heat up|(?:turn|rais|increas)\w* (?:up )?the (?:heat|flame|gas|fire))\b[^.;!?]{0,60}\b(?:socarrat|crust\w*|crackl\w*|bottom)\b",
    re.I,
)
# what takes longer is the cooking, and not its end
_CRISPED_MIN = 6
# "Mix into the mashed rice", "rice should be split by now"
_IS_THERE = lazy(
    r"\b(?:in|on)to the (?:[a-z]+ )?(?:rice|grains?)\b|\b(?:should|must|will) (?:still |now |just )?be\b", re.I
)
_LEFT_ALONE = lazy(r"\W*leave (?:it|them) (?:alone|be)\b(?! for| \d)", re.I)
# "Rinse the pan with cold water: it stops it catching"
_OF_THE_VESSEL = lazy(
    r"\b(?:rins|wash)\w* (?:out )?(?:the |your |an? )?(?:[^\W\d_]+ )?(?:pan|pot|saucepan|bowl|dish|tin|mould|jug|lid)\b",
    re.I,
)
_CRUMBLED = lazy(r"\W*(?:then |and )*(?:break|crush|crumble|rub|squeeze) (?:it|them|the (?:rice|grains?))\b", re.I)
# "3 cups cooked rice (cooled)"
_COOLED = lazy(r"\b(?:cooled|cold|chilled)\b", re.I)
# "Press cook. When it starts to steam (around 10 mins), lay the chicken on top"
_WHEN_IT_STEAMS = lazy(
    r"\W*(?:when|once|as soon as) (?:it|the (?:cooker|water|lid)) (?:starts?|begins?) (?:to )?(?:steam|boil|bubbl)",
    re.I,
)
_TO_OTHERS = lazy(r"\b(?:in)?to (?:the|your|all|this|that)\b|\b(?:over|onto|on top of) (?:the|your)\b", re.I)
_ITS_DISH = lazy(r"\b(?:oven-?proof |baking |roasting )+(?:dish|tin|pan|tray|casserole)?", re.I)
_WARMS_THROUGH = lazy(r"\b(?:heat|warm)(?:ed)? (?:it |them )?(?:gently )?through\b", re.I)
_NOT_LIFTED = lazy(
    r"\W*(?:(?:do not|don'?t|never|no)\b[^.;]{0,12}\b(?:lift\w*|open\w*|peek\w*|touch\w*|remov\w*|uncover\w*)|resist\b[^.;]{0,24}\b(?:lift|open|peek))",
    re.I,
)
_OUT_OF_IT = ("cool", "chill", "fry")
_COOKS_IN_WATER = lazy(
    r"\b(?:cook|boil|pressure[- ]cook)\b[^.;!?]{0,60}\b(?:water\b|\d whistles?|rice cooker)",
    re.I,
)
# put into words where a grain is not frozen as the recipe's rice was
UNFROZEN = "Freezing breaks rice"
_FREEZES = lazy(r"\bfreez(?:e|er|ing)\b", re.I)
# "… freeze overnight if you remembered. If not, don't worry."
_IF_NOT = lazy(r"\W*(?:if not|otherwise|or don'?t)\b", re.I)
_OF_A_RINSE = lazy(
    r"\b(?:(?:pour|tip|strain)(?:ing)? (?:it |the water )?(?:off|out|away)|repeat(?:ing)?|swish\w*|chang(?:e|ing) the water|(?:until|till)\b[^.;]*\bclear)\b",
    re.I,
)
_READY = ("rinse", "soak", "drain", "chop")
_COOKER = lazy(r"\b(?:pressure |rice |slow )?cookers?\b", re.I)


def _does(text: str) -> bool:
    """Is anything done in a clause? "… in the pressure cooker" is a place."""
    return bool(verbs_in(_COOKER.sub("pot", text)))


_BOILS_IT = lazy(r"\W*(?:boil|cook|simmer)\w* (?:the |your )?(?:[^\W\d]+ ){0,2}?(?:rice|grains?)\b", re.I)
# "When it boils add the rice"
_IN_AT_THE_BOIL = lazy(
    r"\W*(?:when|once|as soon as|after|until)\b[^.;]{0,40}\b(?:boil|bubbl|simmer)\w*[^.;]{0,12}\b(?:add|stir in|tip in|put in|throw in|pour in|sprinkle in|in goes?)\b",
    re.I,
)
WAITS = "It goes in later: something else in the pot needs the heat longer than it does."
# ways in which a closed rest off the heat does some of the work
RESTING = ("covered", "open")


@dataclass(slots=True)
class Target:
    """operations: in the order of the pot. untimed: minutes to be written where the recipe says none, by operation. held: operations in which the grain
    is not to go in yet. additions: (name, minute of the new pot) of what goes in while it cooks. put_in: operations that only put their things into what another
    way closes or only pours over, and no longer bring them to the boil."""

    operations: list[Operation] = field(default_factory=list)
    untimed: dict[str, float] = field(default_factory=dict)
    held: set[str] = field(default_factory=set)
    put_in: set[str] = field(default_factory=set)
    check: list[Problem] = field(default_factory=list)
    additions: list[tuple[str, int]] = field(default_factory=list)

    def process(self, source: Process) -> Process:
        return Process(source.vessels, tuple(self.operations))


def wants_rest(recipe: Recipe, own: Own, target: Grain, way: Way) -> bool:
    """Is a rest inserted where the recipe says none?"""
    if own.line.cooked:
        return True
    baked = any(BAKED.search(o.text) for o in recipe.process.operations if o.phase == "heat")
    return (
        target.rest >= 3
        and not baked
        and way.method in RESTING
        and way.texture < 2.5
        and recipe.dish not in ("soup", "porridge", "pudding", "stirred", "stuffing")
        and not rinsed_when_done(recipe)
        and not _cools_when_off(recipe)
        and not in_a_sauce(recipe)
    )


@once
def _cools_when_off(recipe: Recipe) -> bool:
    """ "When it is off the fire and cooled a little": it stands then."""
    ops = [o for o in recipe.process.operations if o.basis == "said"]
    off = [(a, b) for a, b in pairwise(ops) if a.kind == "off" and b.kind in ("cool", "chill")]
    return any(one_sentence(recipe.text, a, b) for a, b in off)


@once
def rinsed_when_done(recipe: Recipe) -> bool:
    """ "Drain; rinse with cold water": for a salad it has stood enough."""
    ops = recipe.process.operations
    done = max((i for i, o in enumerate(ops) if o.phase == "heat"), default=len(ops))
    return any(o.kind == "rinse" or _COLD_TAP.search(o.text) for o in ops[done + 1 : done + 4])


@once
def _over_another(recipe: Recipe) -> bool:
    """Does the grain stand in a bowl above what another part lists, in one cooker?"""
    section = recipe.lines[recipe.source].section if recipe.source is not None else ""
    apart = any(ln.section and ln.section != section and ln.role == "beside" for ln in recipe.lines)
    return apart and (BOWL_ABOVE.search(recipe.title) is not None or _say(recipe, BOWL_ABOVE))


@once
def _say(recipe: Recipe, words: re.Pattern[str]) -> bool:
    """Does a step of the recipe say one of them?"""
    return any(words.search(st.text) for st in recipe.steps)


def target_process(
    recipe: Recipe,
    own: Own,
    pot: Pot,
    a: Amounts,
    mix: Plan,
    aside: tuple[Pot, ...] = (),
    home_meal: bool = False,
) -> Target:
    work = _Work(recipe, own, pot, a, mix, aside, home_meal, Target(list(recipe.process.operations)))
    if own.line.cooked:
        work.cooked_ahead()
    elif a.same and pot.way == own.way:
        work.same()
    else:
        work.shift()
    return work.out


_LETS_OUT = lazy(
    r"\b(?:rest of the (?:steam|pressure)|remaining (?:steam|pressure)|let (?:the |whatever)[^.;]{0,24}(?:go|out)|(?:QR|QPR|quick[- ]?releas\w*|releas\w*|vent) (?:the |any )?(?:rest|remain\w*)|quick(?: release)?(?=\W*$)|flip the valve|open the (?:valve|vent)|whatever's left)\b",
    re.I,
)


# a pour that is told, in the tongues that are read
_WATER_OR_ALL = lazy(
    r"\b(?:water|agua|água|acqua|eau|wasser|everything|all (?:the )?ingredients)\b|\b(?:put|tip|throw|chuck|dump|add) (?:it )?all in\b",
    re.I,
)
_LIQUID_OR_ALL = lazy(
    r"\b(?:water|stock|broth|bouillon|liquids?|liquor|agua|água|caldo|acqua|brodo|eau|bouillon|wasser|brühe|fond|vatten|vand|vann|buljong|pani|paani|maji|supu|su(?:yu)?|woda|wody|v[ií]z|kuah|air|tubig|nước|neer|thanni|everything|all (?:the )?ingredients)\b|\b(?:put|tip|throw|chuck|dump|add) (?:it )?all in\b",
    re.I,
)


def _heats_another(o: Operation) -> bool:
    """ "Cook 15 minutes", of what goes in before the grain."""
    return o.kind == "cook" and o.told is not None and not o.phase


def _is_crisped(o: Operation) -> bool:
    """ "the last minute strong, for the crust"."""
    ends = o.phase in ("from_end", "heat") and o.told is not None and (o.typical_min or 0) <= _CRISPED_MIN
    return ends and _CRISPS.search(o.text) is not None


@dataclass(slots=True)
class _Work:
    recipe: Recipe
    own: Own
    pot: Pot
    a: Amounts
    mix: Plan
    aside: tuple[Pot, ...]
    home_meal: bool
    out: Target

    # -- ways through ----------------------------------------------------------------------------------------------

    def same(self) -> None:
        """The same grain, cooked the same way: every word stays; what goes in late is still told."""
        for o in self.out.operations:
            self._late_addition(o, o.typical_min)

    def shift(self) -> None:
        other_way, waits = not self._same_stages(), False
        self._one_way()
        self._gear_left()
        self._minutes()
        self._soak()
        self._frozen()
        if self._unrinsed():
            self._retire_rinse()
        start = self._first_heat()
        last = self._last(other_way)
        if other_way and last is None:
            last = self._cooks_untimed()
        if other_way and last is not None:
            self._replace_cooking(last)
            start = None
        else:
            if last is not None and not self._only_late():
                self._look_and_rest(self._after(last))
            elif not self._only_stands():
                start = self._without_minutes()
            if start is not None:
                if self._rains():
                    at = self._boiling(start)
                    self._insert(at, [sentences.rain(self.pot.grain, self._is_wet(at))])
                self._insert(self._clause_start(start), self._at_the_boil())
                self._pours(start)
                if self._rains():
                    at = next(i for i, o in enumerate(self.out.operations) if o.kind == "rain")
                    self._insert(at, self._head_starts())
                elif self._before_its_liquid(start, self._rains()):
                    waits = True
                    self._insert(self._boiling(start), self._head_starts(waits))
                else:
                    self._insert(self._grain_in(start), self._head_starts())
        if (self._rains() or waits) and not other_way:
            why = "The meal goes in when the liquid boils." if self._rains() else WAITS
            self._hold_back(start, why)
        self._nothing_lost()
        self._insert(0, self._before())

    def cooked_ahead(self) -> None:
        """A recipe that starts from cooked grain: it is cooked first, then the recipe as it stands."""
        if self.a.same:
            return
        for i, o in enumerate(self.out.operations):
            # "Cooked rice, 3 cups", and a step that cooks it all the same
            if self.recipe.source in o.what and o.phase in ("heat", "whistles", "") and _COOKS_IN_WATER.search(o.text):
                self._retire(i, "This is how the recipe gets its cooked grain; it is cooked just now.")
        # the recipe's own minutes are those of the dish, not of the grain, which is done by then
        self.out.operations = [o.with_(phase="") if o.phase in _GRAINS_OWN else o for o in self.out.operations]
        heated = [(i, m) for i, o in enumerate(self.out.operations) if (m := BY_THE_PACKET.search(o.text))]
        for i, m in heated:
            # of "… and divide between bowls" the end stays (rewrite.py)
            if self.out.operations[i].basis == "said" and not GOES_ON_WITH.match(m.string, m.end()):
                self._retire(i, "The packet's way was the cooked grain's; this one was cooked just now.")
        # a pouch goes in hot
        cold = (self.recipe.dish in ("fried", "salad") or bool(_COOLED.search(self.own.line.text))) and not heated
        why = "The recipe starts from cooked grain; this is how to get it."
        if self.pot.way.method in IN_ONE_SENTENCE:
            first = [*self._before(), sentences.cook(self.pot, why), sentences.look(self.pot)]
            if self.pot.rest_min >= 1:
                first.append(sentences.rest(self.pot, self.recipe.dish, is_off=True))
        else:
            # its rest is one of its stages
            first = [*self._before(), sentences.way(self.pot, why, amount=True)]
            if self.pot.way.locked or self.pot.way.row.rest_times:
                first.append(sentences.look(self.pot))
        if cold:
            first.append(sentences.cold(self.pot.grain))
        self._insert(0, first)

    # -- matching --------------------------------------------------------------------------------------------------

    def _minutes(self) -> None:
        """Each stretch of the grain's minutes gets its new length, in place."""
        was, now = self.recipe.simmer_min, float(self.pot.cook_typical)
        after = {o.id for o in finishing(self.recipe)}
        heat = [o for o in self.out.operations if o.phase == "heat" and o.typical_min and o.id not in after]
        cooking = now - self.own.finish_min
        counted = self._whistled(sum(o.typical_min or 0.0 for o in heat), cooking)
        cooking -= sum(counted.values()) * self.pot.kitchen.whistle_min if heat and counted else 0.0
        new = (
            dict(
                zip(
                    [o.id for o in heat],
                    shared(
                        [o.typical_min or 0.0 for o in heat],
                        max(1.0, cooking),
                        self._joins_between(heat),
                        self._left_for_raw(heat),
                        [o.heat == "high" for o in heat],
                        self.pot.way.method == "microwave",
                    ),
                    strict=True,
                )
            )
            if was
            else {}
        )
        rested = self.recipe.rest_min or 0.0
        grains = {self.recipe.source, None}
        for i, o in enumerate(self.out.operations):
            if o.told is None or o.typical_min is None:
                continue
            minutes: float | None = None
            why = ""
            if o.phase == "heat" and o.id in new:
                minutes, why = (
                    new[o.id],
                    f"{cap(self.pot.grain.name)} takes about {said_minutes(self.pot.cook_typical)} here.",
                )
            elif o.phase == "rest" and rested and not self.a.same:
                stands = self.pot.cook_typical if self._only_stands() else self.pot.rest_min
                minutes, why = stands * o.typical_min / rested, "The rest is this grain's."
            elif o.phase == "soak" and self.pot.way.soak_min and self.pot.way.soak_min != self.recipe.soak_min:
                minutes, why = self.pot.way.soak_min, "The soak is this grain's."
            elif o.phase == "toast" and not self.a.same and self.pot.way.roast == "dry" and self.pot.grain.roast:
                minutes, why = self.pot.grain.roast.min, f"{cap(self.pot.grain.roast.why)}."
            elif o.id in counted and not self.a.same:
                minutes, why = float(counted[o.id]), "Whistles are counted anew for this grain."
            elif o.phase == "from_start" and was and _ONCE_ON_THE_WAY.search(o.text) and not set(o.what) - grains:
                minutes, why = (
                    max(1.0, now * o.typical_min / was),
                    "As far into the new minutes as it was into the old.",
                )
            elif o.phase == "from_start" and (stage := self._stage_of(i)) is not None:
                # "bake 35 minutes; cover after 25": so long before the end of that baking
                minutes = max(
                    0.0, new.get(stage.id, stage.typical_min or 0.0) - ((stage.typical_min or 0.0) - o.typical_min)
                )
                why = "It keeps its distance from the end."
            elif o.phase == "from_start" and was and TAKEN_OUT.search(o.text):
                # it has cooked so long when it comes out, whatever the grain takes
                if now < o.typical_min - 0.5:
                    self._check(
                        "addition",
                        o,
                        f"It wants its {o.typical_min:.0f} minutes, and the {self.a.target.short} takes only {now:.0f}: start it earlier, and take it out when it is done.",
                    )
            elif o.phase == "from_start" and was:
                minutes, why = max(0.0, now - (was - o.typical_min)), "It keeps its distance from the end."
                if now - (was - o.typical_min) < 0.5:
                    self._check(
                        "addition", o, "This addition needs as long as the new grain: put it in from the start."
                    )
            elif o.phase in ("heat", "rest", "soak") and o.sure < 0.5:
                self._check(
                    "minutes",
                    o,
                    f"I could not tell what the {o.typical_min:.0f} minutes are for; they stay as they were.",
                )
            self._late_addition(o, minutes if minutes is not None else o.typical_min)
            if minutes is None or abs(minutes - o.typical_min) < 0.5:
                continue
            low, high = (x if x is not None else o.typical_min for x in (o.low_min, o.high_min))
            half = (high - low) / 2 * minutes / o.typical_min if o.typical_min else 0.0
            self.out.operations[i] = o.with_(
                low_min=minutes - half,
                typical_min=minutes,
                high_min=minutes + half,
                was=(("low_min", low), ("typical_min", o.typical_min), ("high_min", high)),
                reason=why,
            )

    def _left_for_raw(self, heat: Sequence[Operation]) -> list[tuple[int, float]]:
        """(from which stretch on, minutes at least) that what joins raw must have left."""
        ids = [o.id for o in self.out.operations]
        out = []
        for j in raw_later(self.recipe):
            k = next((n for n, h in enumerate(heat) if ids.index(h.id) >= ids.index(j.operation)), None)
            if k:
                out.append((k, j.minutes))
        return out

    def _joins_between(self, heat: Sequence[Operation]) -> bool:
        """Does anything join the grain between its stretches at the heat?"""
        if len(heat) < 2:
            return False
        ops = self.out.operations
        a, b = (next(i for i, o in enumerate(ops) if o.id == h.id) for h in (heat[0], heat[-1]))
        mine = {self.recipe.source, *(ln.index for ln in self.recipe.lines if ln.role in ("fat", "salt"))}
        return any(set(o.what) - mine or o.phase in ("from_end", "from_start") for o in ops[a + 1 : b + 1])

    def _whistled(self, heat_min: float, cooking: float) -> dict[str, int]:
        """Operation → whistles of the new grain: in proportion, where the recipe counts some of its minutes and times the others."""
        told = [o for o in self.out.operations if o.phase == "whistles" and o.told and o.typical_min]
        each = self.pot.kitchen.whistle_min
        was = sum(o.typical_min or 0.0 for o in told) * each
        if not told or not was:
            return {}
        all_ = max(len(told), round_half_up(cooking * was / (was + heat_min) / each))
        if heat_min and all_ > len(told) and cooking - all_ * each < 1:
            # some minutes are left to be timed
            all_ = max(len(told), int((cooking - 1) / each))
        if len(told) == 1:
            return {told[0].id: all_}
        parts = [max(1, round_half_up(p)) for p in shared([o.typical_min or 0.0 for o in told], all_)]
        parts[-1] = max(1, all_ - sum(parts[:-1]))
        return {o.id: n for o, n in zip(told, parts, strict=True)}

    def _stage_of(self, i: int) -> Operation | None:
        """The cooking that operation i is counted from, where the recipe has several: the last told before it in its step, and longer than it. None: all of it."""
        o = self.out.operations[i]
        before = [x for x in self.out.operations[:i] if x.told and x.typical_min]
        heats = [x for x in before if x.phase == "heat" or x.kind == "cook" and not x.phase]
        if len(heats) < 2 or heats[-1] is not before[-1] or heats[-1].step != o.step:
            return None
        return heats[-1] if (heats[-1].typical_min or 0.0) > (o.typical_min or 0.0) else None

    def _late_addition(self, o: Operation, minutes: float | None) -> None:
        now = self.pot.cook_typical
        if o.phase == "from_start" and minutes is not None:
            self.out.additions.append((self._what(o), max(0, round_half_up(minutes))))
        elif o.phase == "from_end" and o.typical_min is not None:
            if o.typical_min > now:
                self._check(
                    "addition",
                    o,
                    f"It needs {o.typical_min:.0f} minutes but the {self.a.target.short} takes only {now:.0f}: give it a head start.",
                )
            self.out.additions.append((self._what(o), max(0, round_half_up(now - o.typical_min))))

    def _one_way(self) -> None:
        """Other ways the recipe offers ("Microwave: …") are for its own grain: their minutes are wrong for another."""
        why = "Another way to cook the rice: choose it above, and the steps are written for it."
        for st in self.recipe.steps:
            if st.instead:
                self._whole_step_gone("instead", st, why)

    def _whole_step_gone(self, named: str, st: Step, why: str) -> None:
        gone = Operation(f"{named}-{st.index}", "", "other", "", span=st.span, basis="retired", step=st.index)
        self.out.operations.append(replace(gone, text=st.text, reason=why))

    def _gear_left(self) -> None:
        """Steps that only make the steamer ready go with the steaming."""
        if self.own.way.method != "steam" or self.pot.way.method == "steam":
            return
        told = {o.step for o in self.out.operations}
        for st in self.recipe.steps:
            if st.index not in told and _STEAMER.search(st.text) and not st.mentions:
                self._whole_step_gone("gear", st, "It is for the steamer, and this way has none.")

    def _soak(self) -> None:
        """A soak the new grain does not want is taken out of the text."""
        if not self.recipe.soak_min or self.pot.way.soak_min:
            return
        why = f"This way the {self.a.target.short} is not soaked."
        for i, o in enumerate(self.out.operations):
            mine = o.phase == "soak" or (o.kind == "soak" and self.recipe.source in o.what)
            if mine and o.basis == "said":
                self._retire(i, why)
                self._out_of_its_water(i, why)
                # "soak 30 minutes, then drain": the draining goes with it
                if i + 1 < len(self.out.operations) and self.out.operations[i + 1].kind == "drain":
                    self._retire(i + 1, why)
                if i + 1 < len(self.out.operations) and _CRUMBLED.match(self.out.operations[i + 1].text):
                    # "soak 30 min, then break it up with your fingers"
                    self._retire(i + 1, why)

    def _frozen(self) -> None:
        """ "Rinse the rice, drain, put it in a bag and freeze overnight (it breaks the grains)": a trick for rice, and another grain wants none of it."""
        ops = self.out.operations
        # what is frozen after it was cooked is kept
        first = self._first_heat()
        cooks = (
            next((i for i, o in enumerate(ops) if o.kind in ("boil", "cook", "cover")), 0) if first is None else first
        )
        rice = self.a.target.family == "rice" or not _say(self.recipe, _FREEZES)
        at = None if rice else next((i for i in range(cooks) if self._is_frozen(i)), None)
        if at is None:
            return
        why = f"{UNFROZEN}, and does nothing for {self.a.target.short}."
        first = at
        while self._goes_on(first) and ops[first - 1].kind not in ("rinse", "drain", "soak"):
            first -= 1
        if any(o.told and o.kind != "chill" for o in ops[first:at]):
            first = at
        last = at + 1
        while self._goes_on(last) or (last < len(ops) and _IF_NOT.match(ops[last].text)):
            last += 1
        mine = {ln.index for ln in self.recipe.lines if ln.carrier or ln.index == self.recipe.source}
        for i in range(first, last):
            if set(ops[i].what) <= mine:
                self._retire(i, why)

    def _is_frozen(self, i: int) -> bool:
        ops = self.out.operations
        # "Rinse rice; freeze it in a bag with 2 tbsp water"
        named, k = next((o.what for o in reversed(ops[:i]) if o.what), ()), i
        while self._goes_on(k):
            k -= 1
            named += ops[k].what
        return (
            self.recipe.source in (*named, *ops[i].what)
            and ops[i].basis == "said"
            and ops[i].kind != "cook"
            and _FREEZES.search(ops[i].text) is not None
        )

    def _out_of_its_water(self, soak: int, why: str) -> None:
        """ "Put the rice in a bowl, cover with cold water and leave it 30 minutes": what led up to a soak that is none goes with it."""
        ops, k = self.out.operations, soak - 1
        while (
            k >= 0
            and self._goes_on(k + 1)
            and ops[k].basis == "said"
            and ops[k].told is None
            and not set(ops[k].what) - {self.recipe.source}
            and _INTO_WATER.search(ops[k].text)
        ):
            self._retire(k, why)
            k -= 1

    def _unrinsed(self) -> str:
        """Why the recipe's own rinse is dropped; "" if it stays."""
        if self.a.same:
            return ""
        if self.a.target.rinse == 0:
            return f"Do not rinse {self.a.target.name}: {self.a.target.rinse_why}."
        return "The rinse now stands before the roast." if self._roasts() else ""

    def _retire_rinse(self) -> None:
        ops = self.out.operations
        for i, o in enumerate(ops):
            water = {ln.index for ln in self.recipe.lines if ln.carrier}
            before = ops[i - 1] if not o.what and self._goes_on(i) else None
            if (
                before is not None
                and before.what
                and self.recipe.source not in before.what
                and (before.kind not in _READY or before.kind == "rinse")
            ):
                # "the lentils (washed)", "Rinse the kale and strip it from its stems"
                continue
            said = f"{ops[i - 1].text} {o.text}" if self._goes_on(i) else o.text
            of_it = self.recipe.source in o.what or set(o.what) <= water and not _OF_THE_VESSEL.search(said)
            if o.kind == "rinse" and of_it and o.phase != "soak":
                self._retire(i, self._unrinsed())
                j = i + 1
                while j < len(ops) and self._goes_on_rinsing(j, water):
                    self._retire(j, self._unrinsed())
                    j += 1
                if j < len(ops) and ops[j].kind == "drain" and ops[j].step == o.step:
                    self._retire(j, self._unrinsed())

    def _goes_on_rinsing(self, i: int, water: set[int]) -> bool:
        """ "…, swishing, pouring off and repeating 4 times until clear": of the rinse before it."""
        o = self.out.operations[i]
        own = o.basis == "said" and not set(o.what) - water - {self.recipe.source}
        return own and self._goes_on(i) and (o.kind == "rinse" or bool(_OF_A_RINSE.search(o.text)))

    def _only_stands(self) -> bool:
        """Boiling water over it, a lid, and it stands: in a recipe of instant rice as the other grain's whole way."""
        ops = self.out.operations
        cooks = any(o.phase in AT_HEAT and o.told for o in ops)
        return self.pot.way.method == "steep" and not cooks and any(o.phase == "rest" and o.told for o in ops)

    def _only_late(self) -> bool:
        """ "Press start. 10 minutes before the end lay the prawns on top": minutes of what is added, and none of the grain's."""
        told = [o for o in self.out.operations if o.phase in (*AT_HEAT, "whistles") and o.told]
        return self.recipe.method == "rice-cooker" and all(o.phase in ("from_end", "from_start") for o in told)

    def _rains(self) -> bool:
        return rains(self.recipe, self.own.grain, self.pot.grain) and self.pot.way.method != "steep"

    def _before_its_liquid(self, start: int, rains: bool = False) -> bool:
        """Does the grain stand in the text before the liquid, or before what is to have a head start in it? rains: it is stirred in when the liquid boils."""
        if rains or not (found := self._early()):
            return False
        awaited = {e.line.index for e in found} | {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        ops = self.out.operations
        first = next((i for i, o in enumerate(ops) if self.recipe.source in o.what and o.kind not in _READY), start)
        between = ops[first:start]
        return any(
            here
            and not (self.recipe.source in o.what and (o.kind in ("boil", "cook") or self._goes_to_others(o, here)))
            for o in between
            if (here := awaited & set(o.what))
        )

    def _hold_back(self, start: int | None, why: str) -> None:
        """A grain that goes in when the liquid boils, or later: a clause in which only it goes in is taken out, in one with other things it is told to wait."""
        ops = self.out.operations
        if start is None:
            return
        fats = {ln.index for ln in self.recipe.lines if ln.role == "fat"}
        mine = {ln.index for ln in grain_lines(self.recipe)}
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        rained = False
        # a dry roast is a meal's too
        rains_in = self._rains() and not self.own.toasts
        for i, o in enumerate(ops):
            if o.phase == "heat" or (o.kind == "head_start" and not self._rains()):
                break
            rained = rained or o.kind == "rain"
            # "add the rice | and fry 2 minutes"
            its_toast = rains_in and o.phase == "toast" and not o.what and self._after_the_grain(i)
            if (self.recipe.source not in o.what and not its_toast) or o.basis != "said" or o.kind in _READY:
                continue
            boils_now = o.kind in ("cook", "boil") and not _IN_AT_THE_BOIL.match(o.text)
            if rained and (boils_now or self._boils_grain(o)):
                # "Koka riset", of what is in by then
                continue
            if (
                o.told
                and (self._rains() or o.phase != "pan")
                and (o.phase != "toast" or (self._rains() and not rains_in))
            ):
                continue
            others = set(o.what) - fats - mine
            if others and o.kind == "add" and self._goes_to_others(o, others):
                # "Add the rice to the onions": nothing else is put in
                others = set()
            if rains_in and o.phase == "toast" and not others:
                self._retire(i, why)
                continue
            verb_goes_on = self._goes_on(i + 1) and not verbs_in(ops[i + 1].text)
            # "Reis einstreuen": a verb we do not know, and a sentence that says nothing else before it
            goes_in = (
                o.kind in ("add", "stir", "toast", "fry")
                or (o.kind == "other" and not self._goes_on(i))
                or (o.kind == "boil" and _IN_AT_THE_BOIL.match(o.text) is not None)
            )
            # "Put a teacup of rice in the big pan": nowhere else is it told how much
            measures_it = any(
                ln.section.startswith("step ") and o.span and o.span.start <= ln.span.start < o.span.end
                for ln in grain_lines(self.recipe)
            )
            # "When the stock boils add the rice": the stock is in it
            there = {x for x in poured if o.kind == "boil" and any(x in p.what for p in ops if p is not o)}
            if goes_in and others <= there and not verb_goes_on and not measures_it:
                self._retire(i, why)
                # "Rain in the rice, stirring, and cook": the meal's own sentence says so
                k = next((k for k in range(i + 1, len(ops)) if ops[k].basis == "said"), i)
                if self._rains() and self._one_sentence(o, ops[k]) and _STIRRING_ALONE.fullmatch(ops[k].text):
                    self._retire(k, why)
            elif not (o.kind == "boil" and _IN_AT_THE_BOIL.match(o.text)):
                self.out.held.add(o.id)
        for i, o in enumerate(ops):
            if o.basis == "retired" and self.recipe.source in o.what:
                self._not_toasted(i, fats | mine, why)
                # "tip it in and turn it over in the oil"
                then = ops[i + 1] if self._goes_on(i + 1) else o
                turned = then.basis == "said" and not then.phase and set(then.what) <= fats | mine
                if turned and _TURNED_IN_FAT.fullmatch(then.text):
                    self._retire(i + 1, why)
        if self._rains():
            # "Drain the rice and add": a meal was in no water
            for i, o in enumerate(ops):
                if o.phase == "heat":
                    break
                if o.kind == "drain" and o.basis == "said" and o.what and set(o.what) <= mine:
                    self._retire(i, self._unrinsed() or why)
        # "Rinse the rice and put it in": the pronoun's clause is held back too
        for i, (o, following) in enumerate(zip(ops, ops[1:], strict=False), 1):
            near = following.step == o.step or o.kind != "rinse" and following.step == (o.step or 0) + 1
            if o.kind in ("rinse", "soak", "drain") and o.basis == "retired" and following.kind == "add" and near:
                if o.kind == "drain" and _GOES_IN_ALONE.fullmatch(following.text):
                    self._retire(i, why)
                else:
                    self.out.held.add(following.id)

    def _not_toasted(self, i: int, alone: set[int], why: str) -> None:
        """ "Heat oil, add rice, | stir till golden, | 8 min": nothing else is in there to be fried. alone: the grain's lines and the fats."""
        ops, k = self.out.operations, i + 1
        while k < len(ops) and self._one_sentence(ops[i], ops[k]) and not ops[k].what and ops[k].kind in _FRIED:
            k += 1
        toasts = any(o.phase == "toast" and o.basis == "said" for o in ops[i + 1 : k])
        if toasts and not set().union(*(x.what for x in ops[:i] if self._one_sentence(x, ops[i]))) - alone:
            for n in range(i + 1, k):
                self._retire(n, why)

    def _after_the_grain(self, i: int) -> bool:
        """Does that clause go on with one in which the grain goes in?"""
        before = self.out.operations[i - 1] if i else None
        return before is not None and self.recipe.source in before.what and before.kind in ("add", "stir", "toast")

    def _goes_to_others(self, o: Operation, others: set[int]) -> bool:
        """Are those only where it is put: "add to the onion", "stir the rice into the vegetables"?"""
        m = _TO_OTHERS.search(o.text)
        words = [ingredients.handle(self.recipe.lines[i]) for i in others]
        return m is not None and not any(w is not None and w.search(o.text, 0, m.start()) for w in words)

    # -- places ----------------------------------------------------------------------------------------------------

    def _first_heat(self) -> int | None:
        return next((i for i, o in enumerate(self.out.operations) if o.phase in AT_HEAT and o.told), None)

    def _last(self, replaced: bool = False) -> int | None:
        now = self.recipe.with_(process=self.out.process(self.recipe.process))
        at = turning(self.recipe)
        return last_heat(now, replaced, at is not None and boiled_through(self.recipe, at))

    def _boiling(self, start: int) -> int:
        """Behind the clause in which the liquid comes to the boil, else where the cooking begins."""
        first = self._clause_start(start)
        boils = [i for i in range(first, start) if self.out.operations[i].kind == "boil"]
        if boils and self._boils_grain(self.out.operations[boils[-1]]):
            # "Boil the rice in the water until it is nearly gone, 10 minutes": that is the cooking, and the liquid boils before it
            return boils[-1]
        at = boils[-1] + 1 if boils else first
        ops = self.out.operations
        begun = at - 1
        while self._goes_on(begun) and not _does(ops[begun].text):
            begun -= 1
        listed = begun >= 0 and any(self.recipe.source in o.what and o.basis == "said" for o in ops[begun:at])
        while listed and at < start and self._goes_on(at) and not _does(ops[at].text):
            # "Put the rice, milk | and cardamom in the cooker, close it": behind all that goes in with it
            at += 1
        return at

    def _is_wet(self, at: int) -> bool:
        """Is anything poured, or brought to the boil, before that place?"""
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        return not poured or any(o.kind == "boil" or set(o.what) & poured for o in self.out.operations[:at])

    def _boils_grain(self, o: Operation) -> bool:
        return self.recipe.source in o.what and bool(_BOILS_IT.match(o.text))

    def _grain_in(self, latest: int) -> int:
        """Where the grain goes into the pot: the sentence in which it is first spoken of other than to be made ready."""
        ops = self.out.operations
        i = next((i for i, o in enumerate(ops) if o.kind not in ("toast", "fry") and self._puts_it_in(i)), latest)
        i = min(i, latest)
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        # "Add the stock, bring to a simmer, tip in the rice": behind what is poured, or what another had at the heat
        while self._goes_on(i) and not (
            set(ops[i - 1].what) & poured or ops[i - 1].kind == "boil" or _heats_another(ops[i - 1])
        ):
            i -= 1
        return i

    def _pours(self, start: int) -> None:
        """The water that the list has now and no step speaks of goes in when the grain is in: "Whisk soup and milk, stir in the barley. Pour in …"."""
        ops = self.out.operations
        if not self.a.adds_water or self.pot.plenty:
            return
        tins = [ln for ln in carriers(self.recipe) if beyond_tin(ln, self.a)]
        named = _WATER_OR_ALL if tins else _LIQUID_OR_ALL
        if any(o.basis not in ("retired", "inserted") and named.search(o.text) for o in ops):
            return
        end = self._clause_start(start)
        at = next((i + 1 for i in range(end) if self._puts_it_in(i)), None)
        if at is None:
            # nobody says that it goes in: "Cook button. When it spits …"
            at = next((i for i in range(end) if ops[i].step == ops[start].step), end)
        else:
            while at < end and self._goes_on(at):
                at += 1
        self._insert(at, [sentences.pour(sum(beyond_tin(ln, self.a) for ln in tins) or self.pot.pour_ml)])

    def _puts_it_in(self, i: int) -> bool:
        """Does the grain go into the pot there, by its name or, in the sentence that made it ready, as "it"?"""
        ops = self.out.operations
        if self.recipe.source in ops[i].what:
            return ops[i].kind not in _READY
        made_ready = i > 0 and ops[i - 1].kind in _READY and ops[i - 1].step == ops[i].step
        named = made_ready and any(self.recipe.source in o.what for o in ops[max(0, i - 3) : i])
        return named and ops[i].kind == "add" and bool(_IT_GOES_IN.search(ops[i].text))

    def _clause_start(self, i: int) -> int:
        """The first operation of the sentence in which operation i stands, of those from the boil on."""
        ops = self.out.operations
        while self._goes_on(i) and ops[i - 1].kind in ("boil", "cover", "stir", "cook"):
            i -= 1
        # "Bring the rice and | the stock to the boil" is one deed
        begun = i
        while self._goes_on(begun):
            begun -= 1
            if _BRING_BEGUN.match(ops[begun].text):
                return begun
            if verbs_in(ops[begun].text):
                break
        return i

    def _goes_on(self, i: int) -> bool:
        """Does operation i stand in one sentence with the one before it?"""
        ops = self.out.operations
        return 0 < i < len(ops) and self._one_sentence(ops[i - 1], ops[i])

    def _one_sentence(self, a: Operation, b: Operation) -> bool:
        return one_sentence(self.recipe.text, a, b)

    def _after(self, last: int) -> int:
        """Where the grain is done: behind what goes on with the last clause at the heat, before anything else."""
        ops = self.out.operations
        heated = sum(o.typical_min or 0.0 for o in ops[:last] if o.phase == "heat")
        if ops[last].phase == "from_start" and not ops[last].what and (ops[last].typical_min or 0.0) > heated - 0.5 > 0:
            # "Bake for 1 hour. After 1 hour, remove the cover and fluff": the end of it, told again
            last = next(i for i in range(last - 1, -1, -1) if ops[i].phase == "heat")
        elif _WARMS_THROUGH.search(ops[last].text) and not ops[last].what:
            # "simmer 15 minutes. Stir in the yolks and the chicken, heat through 2 minutes": looked at before those go in
            last = next((i for i in range(last - 1, -1, -1) if ops[i].phase == "heat" and ops[i].told), last)
        i = last + 1
        if self.pot.way.locked and self.own.way.row.locked and not self._opened(i):
            # it is opened only when the pressure is down
            # … and what was spread out to cool has been opened: "switch off" is another pan's then
            stop = next((j for j in range(i, len(ops)) if ops[j].kind in _OUT_OF_IT), len(ops))
            down = [j for j in range(i, stop) if "release" in (ops[j].phase, ops[j].kind)]
            if not down:
                down = [j for j in range(i, stop) if ops[j].phase == "rest" or ops[j].kind in ("off", "rest")][:1]
            if down and _WHEN.match(ops[down[-1]].text) and _SPREADS.search(ops[down[-1]].text):
                # "Once the pressure is gone spread it on a plate": looked at before it leaves the pot
                return down[-1]
            if down:
                i = down[-1] + 1
                while i < len(ops) and _LETS_OUT.search(ops[i].text) and not ops[i].told:
                    i += 1
        while (
            self._goes_on(i)
            and (ops[i].kind not in ("off", "rest", "release") or _WHILE_STIRRING.match(ops[i].text))
            and not ops[i].phase
            and (
                _GOES_ON.match(ops[i].text)
                or (_UNTIL.search(ops[i - 1].text) and _IS_SO.match(ops[i].text))
                or (
                    (_IS_SO.match(ops[i].text) or _SO.fullmatch(ops[i].text))
                    and any(_UNTIL.search(o.text) for o in ops[last:i])
                )
                or self._until_goes_on(i)
            )
        ):
            i += 1
        while self._goes_on(i) and self._tells_how(ops[i]):
            # "18 Minuten köcheln lassen, zwischendurch umrühren", "12 min dans 40 cl d'eau, à couvert"
            i += 1
        if self._goes_on(i) and _LEFT_ALONE.match(ops[i].text) and not ops[i].told:
            # "stir it after an hour, then leave it alone or you won't get a skin"
            i += 1
        near = i < len(ops) and 0 <= (ops[i].step or 0) - (ops[last].step or 0) <= 1
        if near and _NOT_LIFTED.match(ops[i].text) and not ops[i].told:
            # "simmer 12 min. Do not lift the lid.": no look stands before that
            i += 1
        while (
            ops[last].phase == "from_end"
            and self._goes_on(i)
            and ops[i].kind not in ("off", "rest", "release", "serve", "drain")
        ):
            # "in the last 10 minutes melt the butter, whisk in the flour, then the milk"
            i += 1
        while i < len(ops) and ops[i].step == ops[last].step and _HALF_WAY.match(ops[i].text) and not ops[i].told:
            # "cook 18 minutes; halfway through add the peas": told behind it, done before
            i += 1
            while self._goes_on(i) and ops[i].kind not in ("off", "rest"):
                i += 1
        while i and _is_crisped(ops[i - 1]):
            # it is looked at before the last minute that makes its crust: water on that is none
            i -= 1
        # "When the pressure drops, spread it out" is not cut in two
        if self._goes_on(i):
            first = i - 1
            while self._goes_on(first):
                first -= 1
            if _WHEN_DONE.match(ops[first].text):
                # nor is "When it is al dente (18 minutes in all), turn off the heat"
                return first
            if _WHEN.match(ops[i - 1].text) and i - 1 > last:
                return i - 1
        return i

    def _until_goes_on(self, i: int) -> bool:
        """ "until the rice is tender (about 1 hr.) and the milk is absorbed": behind the bracket with the minutes."""
        ops = self.out.operations
        k = i + 1 if _JOINS.fullmatch(ops[i].text) else i
        said = next((j for j in (i - 1, i - 2) if j > 0 and ops[j].told), None)
        if said is None or not all(map(self._goes_on, range(said, k + 1))):
            return False
        before = ops[said - 1].text
        return before.rstrip().endswith("(") and bool(_UNTIL.search(before) and _IS_SO.match(ops[k].text))

    def _opened(self, at: int) -> bool:
        """Is the closed cooker opened before that place, and the grain then cooked on?"""
        ops = self.out.operations
        lid_off = next(
            (
                i
                for i, o in enumerate(ops[:at])
                # "seal the vent" opens nothing
                if ("release" in (o.phase, o.kind) and not _CLOSES.search(o.text)) or _LID_OFF.match(o.text)
            ),
            at,
        )
        return any(o.told and o.phase == "heat" for o in ops[lid_off:at])

    # -- insertions ------------------------------------------------------------------------------------------------

    def _without_minutes(self) -> int | None:
        """A recipe that states no minutes for its grain gets them where it cooks it, or a sentence where it does not say so; the first operation of it."""
        ops, pot = self.out.operations, self.pot
        if any(o.phase == "whistles" for o in ops):
            return None
        at, end = untimed(self.recipe.with_(process=self.out.process(self.recipe.process)))
        why = f"{cap(pot.grain.name)} takes about {said_minutes(pot.cook_typical)} here."
        if at is not None:
            self.out.untimed[ops[at].id] = float(pot.cook_typical)
            ops[at] = ops[at].with_(typical_min=float(pot.cook_typical), phase="heat", reason=why)
            self._look_and_rest(self._after(at))
            return at
        poured = any(ln.role == "pot_liquid" and ln.ml for ln in self.recipe.lines) or pot.way.method not in RESTING
        if not any(self.recipe.source in o.what for o in ops):
            self._whole_cooking(len(ops))
            return None
        if 0 < end <= len(ops) and ops[end - 1].text.rstrip().endswith(":"):
            # "Cook the rice the day before: 1½ cups jasmine, 1¾ cups water, rice cooker": behind what it counts up
            while self._goes_on(end) and not _does(ops[end].text):
                end += 1
        if not poured:
            self._whole_cooking(end)
            return None
        n = len(ops)
        self._insert(end, [sentences.simmer(pot, why)])
        self._look_and_rest(end + len(ops) - n)
        return end

    def _cooks_untimed(self) -> int | None:
        """The last operation that cooks the grain in a recipe that states no minutes for it; None if none does."""
        at, end = untimed(self.recipe.with_(process=self.out.process(self.recipe.process)))
        if at is not None:
            return at
        if self.recipe.method == "rice-cooker" and 0 < end <= len(self.out.operations):
            return end - 1
        return None

    def _look_and_rest(self, at: int) -> None:
        ops, pot = self.out.operations, self.pot
        if self.a.same:
            return
        boiling = next((i for i, o in enumerate(ops) if o.phase == "heat"), at)
        near = (*ops[boiling:at], *ops[at : at + 4])
        # "cook on high for 6 minutes (80 %). Strain": minutes of which nobody was sure
        cooked = next((i for i, o in enumerate(ops[:boiling]) if o.kind == "cook"), boiling)
        drains = any(
            self._may_be_the_grains(o)
            and (o.kind == "drain" or (o.basis == "said" and o in near and DRAINED.search(o.text)))
            for o in (*(o for o in ops[cooked:boiling] if o.basis == "said"), *near)
        )
        at_turn = turning(self.recipe)
        after = at_turn is not None and not boiled_through(self.recipe, at_turn)
        where = "inside" if in_a_sauce(self.recipe) else "steamed" if after else ""
        new = [] if pot.way.method == "steep" else [sentences.look(pot, drains, where, self._opened(at))]
        new += self._baked_raw()
        for j in self._joined_raw():
            its = self._cooked_on(j)
            if its < at:
                # "Lift out the chicken and shred it" comes behind it
                self._insert(its, [sentences.raw_too(j, more=True)])
                at += 1
            else:
                new.append(sentences.raw_too(j, more=True))
        kept_still = not (_say(self.recipe, _CRUST) or _say(self.recipe, _STIRRED))
        named = f"{self.recipe.title} {self.own.line.text}"
        # a pan with a lid on it is a pot, whatever its title calls it
        called = _CRUSTED.search(named) or (pot.way.method == "open" and _A_PAN.search(named))
        dry = self.recipe.dish == "pan" and pot.way.method in ("open", "covered") and not _say(self.recipe, _SOUPY)
        if called and dry and kept_still:
            new.append(sentences.crust())
        said = rest_said(self.recipe)
        if said is not None:
            if not said.told and pot.rest_min >= 1 and not _COOLS_OFF.search(said.text):
                self.out.untimed[said.id] = pot.rest_min
                k = next((j for j, o in enumerate(ops) if o.id == said.id), None)
                if k is not None:
                    ops[k] = ops[k].with_(typical_min=pot.rest_min, phase="rest", reason="The rest is this grain's.")
        elif pot.rest_min >= 1 and wants_rest(self.recipe, self.own, pot.grain, pot.way):
            off = next(
                (j for j in range(at, min(at + 3, len(ops))) if ops[j].kind == "off" and ops[j].step is not None), None
            )
            if off is not None:
                k = off + 1
                while self._goes_on(k) and ops[k].kind == "cover":
                    k += 1
                self._insert(k, [sentences.rest(pot, self.recipe.dish, True)])
            else:
                # "Drain off any remaining liquid": what stands then stands dry
                spilt = at < len(ops) and ops[at].kind == "drain" and self._may_be_the_grains(ops[at])
                spills = at if spilt and ops[at].step is not None else None
                rest = sentences.rest(pot, self.recipe.dish, False)
                crisped = self._crisped(at)
                if spills is not None:
                    self._insert(spills + 1, [rest])
                elif crisped > at:
                    self._insert(crisped, [rest])
                else:
                    new.append(rest)
        self._insert(at, new)

    def _tells_how(self, o: Operation) -> bool:
        """Does a clause of another tongue, at the end of a sentence that cooks, only tell how it cooks?"""
        if o.told or o.phase or o.what or o.step is None or o.basis != "said":
            return False
        if _STIRRED_ABROAD.match(o.text):
            return True
        if _COOLS_ABROAD.search(o.text):
            return False
        ends = {"OFF", "REST", "DRAIN", "SERVE", "ADD", "COOL", "SOAK"} & set(classes(o.text))
        plain = o.kind not in ("off", "rest", "release", "drain", "serve", "cool", "chill", "soak") and not ends
        return plain and of_another_tongue(self.recipe.steps[o.step].text)

    def _may_be_the_grains(self, o: Operation) -> bool:
        """ "Drain": of the grain, where nothing else is named. "Drain the beans and add them" is not."""
        mine = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"} | {self.recipe.source}
        return not set(o.what) or bool(set(o.what) & mine)

    def _crisped(self, at: int) -> int:
        """Behind the last minutes that make the crust, which come after the look; `at` if there are none."""
        ops = self.out.operations
        while at < len(ops) and _is_crisped(ops[at]):
            at += 1
            while self._goes_on(at) and not ops[at].phase:
                at += 1
        return at

    def _at_the_boil(self) -> list[Operation]:
        new = []
        target, pot = self.a.target, self.pot
        for g, before_end in self.mix.late:
            n = round_half_up(before_end * pot.cook_min / max(1.0, target.simmer))
            at = max(0, pot.cook_typical - n)
            new.append(sentences.late(g, at, n, self.mix.because))
            self.out.additions.append((g.name, at))
        new += [sentences.aside(p, self.mix.because) for p in self.aside]
        if pot.way.lid != self.own.way.lid or not self._same_stages():
            new.append(sentences.lid(pot))
            self._say("lid", "Where a step speaks of the lid, go by the inserted line: the water is reckoned for it.")
        had = self.recipe.simmer_min or 0.0
        if pot.way.row.locked and had - pot.cook_typical >= LESS_BELOW and _over_another(self.recipe):
            self._say(
                "shared_cooker",
                f"What cooks under the bowl had {said_minutes(had)} at pressure and {target.short} {'want' if target.many else 'wants'} "
                f"{said_minutes(pot.cook_typical)}: cook the two apart, or give both the longer.",
            )
        return new

    def _same_stages(self) -> bool:
        """Going from one pot on the stove to another changes no stage."""
        was, now = self.own.way.method, self.pot.way.method
        return was == now or {was, now} <= STOVE

    def _at_heat(self) -> int:
        """Minutes that what shares the pot has at the heat: none where the grain only steeps."""
        return 0 if self.pot.way.method == "steep" else self.pot.cook_typical

    def _early(self) -> tuple[Early, ...]:
        """What has a head start in the liquid: nothing in a dish that is put into the oven as it is."""
        return () if self.pot.way.method == "oven" else early(self.recipe, self._at_heat())

    def _baked_raw(self) -> list[Operation]:
        """Raw meat baked on a grain that is done before it: it is looked at for itself."""
        if self.pot.way.method != "oven":
            return []
        found = [e for e in early(self.recipe, self._at_heat()) if e.raw]
        for e in found:
            text = (
                f"Baked for {self._at_heat()} minutes the {e.name} might not be done, as it was with the rice. Look at the thickest piece "
                "before you serve: no pink, clear juices, or 74 °C in the middle."
            )
            self.out.check.append(Problem("raw_beside", e.line.text, text))
        return [sentences.bake_on(e) for e in found]

    def _cooked_on(self, j: Joins) -> int:
        """Where its own stretch at the heat ends."""
        ops = self.out.operations
        joins = next((i for i, o in enumerate(ops) if o.id == j.operation), len(ops))
        k = next((i for i, o in enumerate(ops) if i >= joins and o.phase == "heat" and o.told), len(ops) - 1)
        while self._goes_on(k + 1):
            k += 1
        return k + 1

    def _joined_raw(self) -> list[Joins]:
        """What is laid raw on the grain later, and has fewer minutes there than it had: it is cooked on until it is done. minutes: those it lacks."""
        if self.pot.way.method == "oven":
            return []
        out = []
        for j in raw_later(self.recipe):
            # one of the minutes is the grain's own, before it joins
            missing = j.minutes - max(0.0, self._at_heat() - 1.0)
            if missing >= LEAST_RAW and self._still_told(j) < j.minutes:
                self._check_raw(j)
                out.append(replace(j, minutes=missing))
        return out

    def _still_told(self, j: Joins) -> float:
        """Minutes at a heat that the new method itself tells behind the place where it joins: the rolls simmer on when their grain is done."""
        ops = self.out.operations
        joins = next((i for i, o in enumerate(ops) if o.id == j.operation), len(ops))
        told = [o for o in ops[joins:] if o.basis == "said" and o.told and o.kind in ("cook", "boil")]
        # of another thing, "boil the eggs 10 minutes", or in another pot; a filling is in what is named, wherever that stands
        own, filled = {j.line.index, self.recipe.source}, self.recipe.dish == "stuffing"
        its = (o for o in told if filled or (o.vessel == ops[joins].vessel and not set(o.what) - own))
        return sum(o.typical_min or 0.0 for o in its if o.phase != "rest")

    def _check_raw(self, j: Joins) -> None:
        text = (
            f"Beside a grain {self._of_so_long()} the {called(j.line)} might not be done, so the missing minutes come behind it. Cut into the thickest piece "
            "before you serve: no pink, clear juices, or 74 °C in the middle."
        )
        self.out.check.append(Problem("raw_beside", j.line.text, text))

    def _of_so_long(self) -> str:
        return f"of {now} minutes" if (now := self._at_heat()) else "that only steeps"

    def _head_starts(self, waits: bool = False) -> list[Operation]:
        """A quick grain leaves a slow pulse hard and raw meat raw: they need the minutes that the grain no longer gives them."""
        of_so_long = self._of_so_long()
        for e in (found := self._early()):
            name = e.name
            if e.raw:
                text = (
                    f"Beside a grain {of_so_long} the {name} might not be done, so {e.minutes} minutes in the liquid come first. Cut into "
                    "the thickest piece before you serve: no pink, clear juices, or 74 °C in the middle."
                )
            else:
                text = (
                    f"The {name} would stay hard beside a grain {of_so_long}: start it {e.minutes} minutes earlier"
                    + (", soak it, or take it cooked or tinned." if e.line.role == "absorber" else ", or cut it small.")
                )
            self.out.check.append(Problem("raw_beside" if e.raw else "slow_pulse", e.line.text, text))
        told = (o for o in self.recipe.process.operations if o.told)
        cooked = bool(found) and (found[0].had or any(found[0].line.index in o.what for o in told))
        steeps = self.pot.way.method == "steep"
        locked = self.pot.way.locked
        return [sentences.head_start(found, self.a.target, waits, cooked, steeps, locked)] if found else []

    def _before(self) -> list[Operation]:
        target, way = self.a.target, self.pot.way
        new = []
        if (beans := self.recipe.dry_beans) and not self._beans_made_ready(beans[0]):
            new.append(sentences.beans(beans[0]))
        if self.home_meal and target.is_meal:
            new.append(sentences.pulse(self.pot))
        # what the recipe rinses of cooked rice is not the dry grain
        rinsed = self.own.rinses and not self.own.line.cooked
        if not self.a.same and target.rinse and (not rinsed or self._roasts()):
            new.append(sentences.rinse(target))
        if way.sprouted:
            new.append(sentences.sprout(target))
        elif way.soak_min and not self.recipe.soak_min:
            new.append(sentences.soak(target, way.soak_min, way.soak_water == "kept"))
        if (
            way.roast in ("dry", "fat")
            and not self.own.toasts
            and not (self.a.same and way.roast == self.own.way.roast)
        ):
            new.append(sentences.roast(target, way.roast, self._waits_outside()))
        return new

    def _waits_outside(self) -> bool:
        """Is the pot wanted for something else between the roast of the grain and its going in?"""
        if self.own.line.cooked:
            # it is cooked ahead, at once
            return False
        ops = [o for o in self.out.operations if o.basis != "retired"]
        goes_in = next((i for i, o in enumerate(ops) if o.kind == "rain"), None)
        if goes_in is None:
            said = (i for i, o in enumerate(ops) if self.recipe.source in o.what and o.kind not in _READY)
            goes_in = next(said, len(ops))
        return any(o.kind in ("fry", "boil", "cook", "toast") and o.id not in self.out.held for o in ops[:goes_in])

    def _beans_made_ready(self, bean: Line) -> bool:
        """Does the recipe itself soak its dry beans and boil them before the grain goes in? The caution stands all the same."""
        handle = ingredients.handle(bean)
        mine = [o for o in self.recipe.process.operations if bean.index in o.what or (handle and handle.search(o.text))]
        # "Wash the beans and soak overnight": two clauses, one sentence
        said = [x for st in self.recipe.steps for x in re.split(r"[.;!?]", st.text) if handle and handle.search(x)]
        soaked = (
            bool(re.search(r"\bsoak", bean.text, re.I))
            or any(o.kind == "soak" for o in mine)
            or any(re.search(r"\bsoak", x, re.I) for x in said)
        )
        grain_in = next(
            (
                i
                for i, o in enumerate(self.recipe.process.operations)
                if self.recipe.source in o.what and o.kind not in ("rinse", "soak", "drain")
            ),
            # not known when the grain goes in: nothing is taken for boiled before it
            0,
        )
        before = self.recipe.process.operations[:grain_in]
        boiled = any(o.kind in ("boil", "cook") or re.search(r"\bboil", o.text, re.I) for o in before)
        return soaked and boiled

    def _whole_cooking(self, at: int) -> None:
        """No step cooks the grain at all: the cooking is put in, before what is done with the cooked grain."""
        pot = self.pot
        if self.recipe.steps and pot.way.method != "rice-cooker":
            self._say(
                "minutes",
                f"No minutes for the grain stood in the steps: cook the {self.a.target.short} as the inserted step says.",
            )
        if pot.way.method not in IN_ONE_SENTENCE:
            new = [sentences.way(pot, "The recipe gives no minutes for its grain.")]
        else:
            new = [sentences.cook(pot, "The recipe gives no minutes for its grain."), sentences.look(pot)]
            if pot.rest_min >= 1 and rest_said(self.recipe) is None:
                new.append(sentences.rest(pot, self.recipe.dish, False))
        self._insert(at, new)

    def _replace_cooking(self, last: int) -> None:
        """Another way of cooking stands in the place of the recipe's own; what goes in meanwhile stays."""
        self._counted_again()
        ops, mine = self.out.operations, in_pot(self.recipe)
        start = self._when_all_is_in(last)
        first = self._clause_start(start)
        others = {ln.index for ln in self.recipe.lines if ln.role not in ("source_grain", "pot_liquid", "salt", "fat")}
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        while (
            first > 0
            and (
                # "water in a microwave safe bowl" pours, and the vessel is called otherwise (vessels.py)
                (
                    _GEAR.search(ops[first - 1].text)
                    and not set(ops[first - 1].what) & poured
                    and not self._puts_all_in(ops[first - 1])
                )
                or ops[first - 1].kind == "cover"
                or (ops[first - 1].kind == "boil" and not set(ops[first - 1].what) & poured)
                or self._boils_it_with(first - 1)
                or _TURNED_LOW.fullmatch(ops[first - 1].text)
                or (self.own.way.row.plenty and self._plenty(first - 1))
            )
            and (
                ops[first - 1].vessel in mine or (self.own.way.method == "steam" and _GEAR.search(ops[first - 1].text))
            )
            and (not set(ops[first - 1].what) & others or self._boils_it_with(first - 1))
            and (not ops[first - 1].told or ops[first - 1].phase == "come_up")
        ):
            first -= 1
        basket = self._basket(first, others) if self.own.way.method == "steam" else start
        first = min(first, basket)
        # "After 3 whistles simmer for 5": they are of the same cooking
        first = min([first, *(i for i, o in enumerate(ops) if o.phase == "whistles" and o.vessel in mine)])
        end = self._crisped(self._after(last))
        while (
            end < len(ops)
            and (ops[end].vessel in mine or self._sieved(end))
            and not (_TO_COOL.search(ops[end].text) and not ops[end].phase)
            and not self._of_others(end)
            and (
                ops[end].phase in ("rest", "release", "come_up")
                or ops[end].kind in ("off", "release", "rest", "cover", "drain")
                or (ops[end].kind == "rinse" and self.own.way.row.plenty)
                or _TASTES.match(ops[end].text)
                or _WHEN_IT_STEAMS.match(ops[end].text)
                or (self.own.way.row.plenty and _BACK_IN.search(ops[end].text))
                or (_GEAR.search(ops[end].text) and ops[end].kind not in _COOLS)
                or (self.own.way.method == "steam" and _OVER.search(ops[end].text))
                or (ops[end].kind == "stir" and self._goes_on(end))
                or (_HOW_IT_IS.search(ops[end].text) and self._goes_on(end))
            )
        ):
            end += 1
        pot, method = self.pot, self.pot.way.method
        if self.own.finish_min and finish_stays(self.recipe, self.own.way.method, method):
            # what is baked afterwards is told where the recipe tells it
            pot = pot._replace(cook_min=pot.cook_min - self.own.finish_min)
        why = "Another way than the recipe's; water and minutes are reckoned for it."
        stays = any(o.phase == "rest" and o.told for o in ops[end:])
        # it is looked at before it rests, but for a closed cooker, which is opened when it has
        looks = method in ("covered", "open", "drain", "oven")
        waits = self._before_its_liquid(first)
        if waits:
            self._hold_back(first, WAITS)
        if method == "steep":
            new = [sentences.steep(pot)]
            # it stands while it steeps: a rest further on was its rice's
            for i in range(end, len(ops)):
                if ops[i].phase == "rest" and ops[i].told and ops[i].basis == "said":
                    self._retire(i, why)
        elif method in ("covered", "open") and not self.a.carrier_was_ml and not self._water_to_a_line(first):
            # the steps speak of no water that could be meant: the sentence brings it
            new = [sentences.instead(pot, why)]
        else:
            rains_in = self._rains() and method in ("covered", "open")
            if rains_in:
                self._hold_back(first, "The meal goes in when the liquid boils.")
            amount = self._told_within(first, end) and not rains_in
            new = [sentences.way(pot, why, not stays and not looks, amount, rains_in)]
        if pot.way.row.ends_dry and self.recipe.dish == "soup":
            self._say(
                "soup_dry", "A rice cooker clicks when it is dry, and a soup never is: watch it, or cook this in a pot."
            )
        if looks or pot.way.locked or pot.way.row.rest_times:
            new.append(sentences.look(pot))
        new += self._baked_raw()
        if looks and not stays and pot.rest_min >= 1:
            new.append(sentences.rest(pot, self.recipe.dish, False))
        started = self._head_starts(waits)
        new = [*[sentences.aside(p, self.mix.because) for p in self.aside], *(started if waits else ()), *new]
        put_in = self._only_put_in(first, end)
        for i in range(first, end):
            stays_put = ops[i].id in put_in and method != "steep"
            of_it = basket <= i < start or self._of_the_old_way(i, first, last)
            if not stays_put and ops[i].basis == "said" and (of_it or self._only_names_more(i)):
                self._retire(i, why)
        for i in range(end - 1):
            # "Bring the rice and | 3 cups of water to the boil"
            begun = ops[i].basis == "said" and not set(ops[i].what) - {self.recipe.source}
            if begun and _BRING_BEGUN.match(ops[i].text) and self._goes_on(i + 1) and ops[i + 1].basis == "retired":
                self._retire(i, why)
        for i in range(end, len(ops)):
            # what drinks its water has none to pour off
            drained = ops[i].kind == "drain" and (
                self.recipe.source in ops[i].what
                or (not ops[i].what and ops[i].vessel in mine and not self._of_others(i))
            )
            if drained and ops[i].basis == "said" and self.own.way.row.plenty and not pot.way.row.plenty:
                self._retire(i, why)
        self._cooled_dry(end, mine)
        for i in range(first):
            # "Carry on adding stock", in a pot that is closed now
            if ops[i].basis == "said" and method not in STOVE and _GOES_ON_POURING.fullmatch(ops[i].text):
                self._retire(i, why)
        # when what is still poured is in
        # … what is tipped about after it was steamed, or laid into it later, finds it cooked
        heat = next((i for i in range(first, last) if ops[i].phase == "heat" and ops[i].told), last)
        until = heat if self.own.way.method == "steam" else last
        poured_in = [
            i
            for i in range(first, until)
            if ops[i].basis == "said"
            and (set(ops[i].what) & poured or ops[i].id in put_in or (i < heat and self._puts_it_in(i)))
        ]
        at = poured_in[-1] + 1 if poured_in else first
        if method == "steep":
            new = self._steeped(new, at, waits)
        if not any(o.basis == "said" and (self._puts_it_in(i) or self._puts_all_in(o)) for i, o in enumerate(ops[:at])):
            # the words that put it in were those of the other way
            new = [o.with_(text=sentences.goes_in(o.text, pot.grain)) if o.kind == "way" else o for o in new]
        was = self.own.way.method
        named = (e.new for o in ops[:at] if o.basis == "said" for e in vessel_edits(o.text, was, method))
        if method == "rice-cooker" and not self.own.finish_min and not any("rice cooker" in n for n in named):
            # fried in a pan and nothing said of where it goes then
            new = [o.with_(text=f"All into the rice cooker. {o.text}") if o.kind == "way" else o for o in new]
        self._insert(at, new)
        if started and not waits:
            self._insert(self._grain_in(first), started)
        self._raw_too(first)
        if self.own.way.method == "oven" and self.pot.way.method != "oven":
            self._oven_off(why)

    def _steeped(self, new: list[Operation], at: int, waits: bool) -> list[Operation]:
        """What is inserted there, once the recipe's own words have put the grain in or it is told to wait: it goes in once."""
        ops = self.out.operations
        goes_in = [
            o
            for i, o in enumerate(ops[:at])
            if o.basis == "said" and self._puts_it_in(i) and not _IS_THERE.search(o.text)
        ]
        all_in = not self._early() and any(o.basis == "said" and self._puts_all_in(o) for o in ops[:at])
        if not waits and (all_in or any(o.kind not in ("boil", "cook") for o in goes_in)):
            return [sentences.steep(self.pot, True) if o.kind == "steep" else o for o in new]
        # "Boil the rice with the water and the cinnamon": only those, for it goes in later
        self.out.held |= {o.id for o in goes_in if o.kind in ("boil", "cook")}
        return new

    def _only_names_more(self, i: int) -> bool:
        """ "Boil the rice with the water and | the bay leaf, covered": what is left of a sentence that is gone, and no verb."""
        ops = self.out.operations
        gone = self._goes_on(i) and ops[i - 1].basis == "retired" and ops[i - 1].kind == ops[i].kind
        return gone and ops[i].kind in ("boil", "cook") and not ops[i].told and not verbs_in(ops[i].text)

    def _boils_it_with(self, i: int) -> bool:
        """ "Boil the rice with the turmeric | and the salt in a big pan of water for 12 minutes": the cooking itself, which names what goes in with the grain."""
        ops = self.out.operations
        if i + 1 == len(ops) or ops[i].told or ops[i].kind not in ("boil", "cook"):
            return False
        timed = ops[i + 1].phase == "heat" and self._one_sentence(ops[i], ops[i + 1])
        return timed and self.recipe.source in ops[i].what

    def _of_others(self, i: int) -> bool:
        """ "Lentils: cover by 5 cm, 20 minutes, drain", "drain the tuna and flake it": does its sentence speak of something else than the grain and its liquids?"""
        ops = self.out.operations
        while not ops[i].what and i > 0 and self._one_sentence(ops[i - 1], ops[i]):
            i -= 1
        wet = {ln.index for ln in self.recipe.lines if ln.role in ("pot_liquid", "salt")}
        return self.recipe.source not in ops[i].what and bool(set(ops[i].what) - wet)

    def _nothing_lost(self) -> None:
        """What only the old cooking's words put in goes in all the same: into the liquid, or when it is done."""
        ops = self.out.operations
        lost = left_out(self.recipe, ops)
        if not lost:
            return
        heats = [i for i, o in enumerate(ops) if o.phase in ("heat", "whistles")]
        cooks = next((i for i, o in enumerate(ops) if o.basis == "inserted" and o.kind in _COOKS), None)
        if cooks is None:
            cooks = next((i for i in heats if ops[i].basis != "retired"), None)
        last = max(heats, default=-1)
        late = [x for x in lost if x.at > last]
        if late:
            done = max((i for i, o in enumerate(ops) if o.basis != "retired" and o.phase == "rest"), default=last)
            at, names = late[-1].at, [x.name for x in late]
            if at + 1 < len(ops) and _AND.search(ops[at].text) and _A_NAME.fullmatch(ops[at + 1].text):
                # "stirring through the cream and | zest": of the same verb
                names.append(ops[at + 1].text.strip())
                self._retire(at + 1, "It is told with what goes in beside it.")
            self._insert(max(done, at) + 1, [sentences.stirred_in(names)])
        early_on = [x for x in lost if x.at <= last]
        if early_on and cooks is not None:
            # salt of water that is poured away would be far too much of it
            away = [
                x for x in early_on if x.line.role == "salt" and (self.own.way.row.plenty or ops[x.at].phase == "soak")
            ]
            names = [x.name for x in early_on if x not in away]
            self._insert(self._clause_start(cooks), [sentences.into_the_liquid(names, bool(away))])

    def _sieved(self, i: int) -> bool:
        """ "Drain in a sieve and leave to steam dry for 5 minutes": the grain, in no vessel of its own."""
        ops = self.out.operations
        while i > 0 and ops[i].phase == "rest" and ops[i].vessel == ops[i - 1].vessel:
            i -= 1
        return ops[i].kind == "drain" and not ops[i].what and _INTO_A_SIEVE.search(ops[i].text) is not None

    def _water_to_a_line(self, end: int) -> bool:
        """ "Fill with water to the 2 line": a step pours what the list names without an amount, and says now how much that is."""
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid" and ln.carrier and not ln.ml}
        # what it is washed and soaked in is poured away
        poured_in = (o for o in self.out.operations[:end] if o.kind not in ("soak", "rinse") and o.phase != "soak")
        return any(o.basis == "said" and set(o.what) & poured for o in poured_in)

    def _cooled_dry(self, end: int, mine: frozenset[str] | set[str]) -> None:
        """ "Drain, cool under the tap": what has drunk its water would only drink that too, and is spread out instead."""
        ops = self.out.operations
        if not self.own.way.row.plenty or self.pot.way.row.plenty:
            return
        under = [
            i
            for i in range(end, len(ops))
            if ops[i].kind in ("cool", "rinse", "drain", "chill")
            and ops[i].basis == "said"
            and _UNDER_THE_TAP.search(ops[i].text)
            and ops[i].vessel in mine
            and not set(ops[i].what) - {self.recipe.source}
        ]
        for i in under:
            self._retire(i, "It has drunk its water, and would drink this too.")
        if under:
            self._insert(under[0], [sentences.spread(self.pot.grain)])

    def _basket(self, first: int, others: set[int]) -> int:
        """Where the making ready of a steamer begins that leads up to the cooking: "Line a steamer with a cloth, spread the rice, poke a few holes"."""
        ops = self.out.operations
        water = {ln.index for ln in self.recipe.lines if ln.carrier}
        k = first
        for i in range(first - 1, max(-1, first - MOST_OF_A_BASKET), -1):
            if ops[i].told or set(ops[i].what) & others - water or ops[i].kind == "soak" or ops[i].basis != "said":
                break
            if _STEAMER.search(ops[i].text):
                k = i
        return k

    def _of_the_old_way(self, i: int, first: int, last: int) -> bool:
        """Is it what the recipe's own way of cooking wants done, between `first` and the end of it? last: the last operation at its heat."""
        ops = self.out.operations
        o, plenty = ops[i], self.own.way.row.plenty
        if o.phase in ("heat", "rest", "release", "come_up", "whistles") or self._boils_it_with(i):
            return True
        if self.own.way.method == "steam" and _OVER.search(o.text):
            # "flip the rice over", in its cloth
            return True
        if _LID_WORD.fullmatch(o.text) or _TASTES.match(o.text) or (plenty and _BACK_IN.search(o.text)):
            return True
        before = ops[i - 1]
        if (
            i > first
            and before.basis == "retired"
            and before.id not in self.out.put_in
            and not o.told
            and self._one_sentence(before, o)
            and (
                _GOES_ON.match(o.text)
                or (_UNTIL.search(before.text) and (_IS_SO.match(o.text) or _SO.fullmatch(o.text)))
            )
        ):
            # "until the chicken is browned" goes with what was to brown it
            return True
        works = (
            o.kind in _COOKING
            or (o.kind == "rinse" and any(x.phase == "heat" for x in ops[first:i]))
            or (plenty and i < last and self._plenty(i))
            # "press the rice in flat", when it is done, is no gear
            or (_GEAR.search(o.text) and o.kind not in _COOLS and not (i > last and self.recipe.source in o.what))
        )
        what = set(o.what)
        dish = {
            ln.index
            for ln in self.recipe.lines
            if ln.role not in ("source_grain", "pot_liquid", "salt", "fat")
            and not (ln.carrier and self.own.way.method == "steam")
        }
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        seasons = {ln.index for ln in self.recipe.lines if ln.role in ("fat", "salt")}
        return (
            bool(works)
            and (o.vessel in in_pot(self.recipe) or self._sieved(i))
            and not what & dish
            # "add boiling water" pours it, whatever boils it then
            and not (what & poured and _POURS_IN.search(o.text))
            and not self._puts_all_in(o)
            and not _TAKES_OUT.search(o.text)
            # "off the heat beat in the butter", "stir in the lemon" is no more the cooking
            and not (o.kind in ("off", "stir", "rest") and (what & seasons or _STIRS_IN.search(o.text)))
        )

    def _puts_all_in(self, o: Operation) -> bool:
        """Does the grain with its liquid, or everything, go into the vessel there, and nothing else is done?"""
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        both = self.recipe.source in o.what and bool(set(o.what) & poured)
        return o.told is None and _PUTS.match(o.text) is not None and (both or _EVERYTHING.search(o.text) is not None)

    def _plenty(self, i: int) -> bool:
        """Is it what plenty of water wants: "bring a big pot of water …", "drain the rice" out of its soak, "add it to the boiling water"?"""
        ops = self.out.operations
        o = ops[i]
        if o.told or o.step is None:
            return False
        text = self.recipe.steps[o.step].text
        at = self.recipe.steps[o.step].span.start
        here = next((text[a:b] for a, b in sentences_of(text) if o.span and a <= o.span.start - at < b), "")
        boils = bool(_BIG_POT.search(here)) and not set(o.what) & {
            ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"
        }
        return boils or (o.kind == "drain" and i > 0 and bool(_BIG_POT.search(text)))

    def _leads_up(self, i: int, first: int) -> bool:
        """Is there nothing between that clause and the cooking but the grain, its water and its salt?"""
        plain = {ln.index for ln in self.recipe.lines if ln.role in ("source_grain", "pot_liquid", "salt", "fat")}
        between = self.out.operations[i + 1 : first]
        return all(not set(o.what) - plain and not o.told for o in between)

    def _only_put_in(self, first: int, end: int) -> set[str]:
        """The operations of "bring the stock, ginger and rice to the boil" where nothing is brought to the boil in an open pot any more: the things go in."""
        if self.pot.way.method in (*STOVE, "drain", "steam", "oven", "cook-ahead"):
            return set()
        ops = self.out.operations
        found: set[str] = set()
        for step in {o.step for o in ops[:end] if o.step is not None and o.basis == "said"}:
            at = self.recipe.steps[step].span.start
            for m in BRINGS.finditer(self.recipe.steps[step].text):
                mine = [
                    o
                    for o in ops[:end]
                    if o.step == step and o.span and o.span.start < at + m.end() and at + m.start() < o.span.end
                ]
                if (
                    mine
                    and all(o.vessel in in_pot(self.recipe) for o in mine)
                    and self._leads_up(ops.index(mine[-1]), first)
                ):
                    found |= {o.id for o in mine}
        self.out.put_in |= found
        return found

    def _told_within(self, first: int, end: int) -> bool:
        """Does the recipe say how much grain it is only where its cooking is now taken out?"""
        line = self.recipe.source_line
        if line is None or not line.section.startswith("step "):
            return False
        spans = [o.span for o in self.out.operations[first:end] if o.span is not None]
        return any(s.start <= line.span.start < s.end for s in spans)

    def _raw_too(self, since: int) -> None:
        """What joined raw while the old cooking went on is told its own minutes, now that those are gone."""
        for j in raw_meanwhile(self.recipe):
            at = next((i for i, o in enumerate(self.out.operations) if o.id == j.operation and i >= since), None)
            if at is not None and self.out.operations[at].basis == "said" and self._still_told(j) < j.minutes:
                ops = self.out.operations
                while self._goes_on(at + 1) and ops[at + 1].basis == "said":
                    at += 1
                self._check_raw(j)
                self._insert(at + 1, [sentences.raw_too(j)])

    def _counted_again(self) -> None:
        """ "After 10 minutes add the peas": where the cooking is another, the peas stay, and keep their distance from its end."""
        was, now = self.recipe.simmer_min or 0.0, self.pot.cook_typical
        told = {o.id: o for o in self.recipe.process.operations}
        for i, o in enumerate(self.out.operations):
            joins = set(o.what) - {self.recipe.source}
            if o.phase == "heat" and o.basis == "said" and joins and _AFTER_SO_LONG.match(o.text) and o.id in told:
                first = told[o.id].typical_min or 0.0
                minutes = max(0.0, now - (was - first))
                self.out.operations[i] = o.with_(
                    phase="from_start",
                    kind="add",
                    low_min=minutes,
                    typical_min=minutes,
                    high_min=minutes,
                    was=(("typical_min", first),),
                    reason="It keeps its distance from the end.",
                )
                self._late_addition(self.out.operations[i], minutes)

    def _when_all_is_in(self, last: int) -> int:
        """The first operation at the heat after the last liquid is poured: what was turned in the pan before that stays there."""
        ops = self.out.operations
        start = self._first_heat() or last
        poured = {ln.index for ln in self.recipe.lines if ln.role == "pot_liquid"}
        late = [
            i
            for i in range(start, last)
            if set(ops[i].what) & poured
            and ops[i].kind in ("add", "combine", "boil")
            and not ops[i].told
            and not _PERHAPS.search(ops[i].text)
        ]
        if not late:
            return start
        then = next((i for i in range(late[-1] + 1, last + 1) if ops[i].phase in AT_HEAT and ops[i].told), last)
        first_poured = next((i for i, o in enumerate(ops) if set(o.what) & poured), then)
        for i in range(start, then):
            if ops[i].phase == "heat" and i < first_poured:
                ops[i] = ops[i].with_(phase="pan")
            elif ops[i].phase == "heat":
                # what cooked in the first of its liquids cooks in all of them now
                was = ops[i - 1]
                if was.kind in ("boil", "cover") and not set(was.what) - poured and self._goes_on(i):
                    self._retire(i - 1, "It cooks with all its liquid the new way.")
                self._retire(i, "It cooks with all its liquid the new way.")
        return then

    def _oven_off(self, why: str) -> None:
        """No oven is heated that nothing goes into any more."""
        left = [o for o in self.out.operations if o.basis != "retired" and not _OVEN_ON.search(o.text)]
        if any(BAKED.search(_ITS_DISH.sub(" ", o.text)) for o in left if o.basis == "said"):
            return
        for i, o in enumerate(self.out.operations):
            if o.basis == "said" and _OVEN_ON.search(o.text):
                self._retire(i, why)

    # -- small -----------------------------------------------------------------------------------------------------

    def _roasts(self) -> bool:
        return self.pot.way.roast == "dry" and not self.own.toasts

    def _retire(self, i: int, why: str) -> None:
        self.out.operations[i] = self.out.operations[i].with_(basis="retired", reason=why)

    def _insert(self, at: int, new: Sequence[Operation]) -> None:
        vessel = next((v.id for v in self.recipe.process.vessels if v.grain), "")
        numbered = [o.with_(id=f"{o.id}-{len(self.out.operations) + n}", vessel=vessel) for n, o in enumerate(new)]
        self.out.operations[at:at] = numbered

    def _check(self, code: str, o: Operation, text: str) -> None:
        step = self.recipe.steps[o.step].text if o.step is not None else ""
        self.out.check.append(Problem(code, step, text))

    def _say(self, code: str, text: str) -> None:
        self.out.check.append(Problem(code, "", text))

    def _what(self, o: Operation) -> str:
        """What goes in at that minute: its lines' names, else the few words of the clause."""
        names = [self.recipe.lines[i].name for i in o.what if i != self.recipe.source and self.recipe.lines[i].name]
        if names:
            return " and ".join(names[:2])
        clause = re.sub(
            r"\b(?:for|in|at|after|the|last|final|minutes?|mins?|add|stir|tip|about|then|and|with|before|from|end|scatter|over)\b|\d+",
            " ",
            o.text,
            flags=re.I,
        )
        words = [w for w in re.findall(r"[^\W\d_]+", clause) if len(w) > 2]
        return " ".join(words[-2:]) or "the addition"
