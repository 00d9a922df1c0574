"""What each stretch of minutes in the steps is for: a trained tagger that carries the pot's state along.

Kinds: heat (the grain at the heat with its liquid) · come_up · rest · release · soak · pan (the grain's pot before the grain's liquid) · toast (the
grain in the pan) · from_end · from_start · whistles · other. The tagger sees the words of the clause and of those beside it, what has happened to the
pot so far (is the grain in, is liquid in, is the heat off), how the number lies to the grain's usual minutes, and the kinds before it.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from ..text.sentences import sentences
from ..text.times import Stretch, stretches
from .clauses import ALL_IN, Clause, clause_at, rule_kind
from .crf import Tagger
from .names import OTHER_GRAINS, as_rice

# letters on either side of a stretch that are looked at; no sentence of a recipe is longer
NEAR = 600
KINDS = ("heat", "come_up", "rest", "release", "soak", "pan", "toast", "from_end", "from_start", "whistles", "other")

_CLAUSE = re.compile(r"[,:–—]|\s-\s|\bthen\b|\band\b|\buntil\b|\bor\b|\(")
_WORD = re.compile(r"[^\W\d_]+(?:'[^\W\d_]+)?")
WHISTLES = re.compile(
    r"\b(?P<n>\d{1,2}(?:\s*(?:-|–|to|or)\s*\d{1,2})?|one|two|three|four|five|six|seven|eight|a)\s*(?:more |full |long )?(?:whistles?|seetis?|seeti|sitis?|citi|hisses)\b|\bwhistles?\s*[-x:]?\s*(?P<m>\d{1,2})\b",
    re.I,
)

# what a word says about the pot; stems
_CLASSES = {
    "OFF": r"(?:off|out of the oven|remove|removed|switch\w*|turn\w* off|kill|away|stove off|fire off|flame off|band|choolha)",
    "REST": r"(?:rest\w*|stand\w*|sit|sits|sitting|set aside|leave|left|steam\w*|dum|dam|settle|undisturbed|wait\w*|cool\w*)",
    "SOAK": r"(?:soak\w*|steep\w*|bhigo\w*|overnight)",
    "DRAIN": r"(?:drain\w*|strain\w*|sieve|colander)",
    "HEAT": r"(?:simmer\w*|cook\w*|boil\w*|bubbl\w*|bake\w*|baking|oven|lowest|low|gentl\w*|putter\w*|tick)",
    "FRY": r"(?:fry|fried|frying|saut\w*|brown\w*|soften\w*|sweat\w*|golden|sear\w*|bhun\w*|roast\w*|toast\w*|sizzl\w*|temper\w*)",
    "BOILUP": r"(?:bring|comes?|coming|reach\w*|return\w*|back)",
    "COVER": r"(?:cover\w*|lid|lidded|close\w*|closed|foil|clamp|locked|seal\w*)",
    "OPEN": r"(?:uncover\w*|open\w*|lid off)",
    "PRESS": r"(?:pressure|whistle\w*|release|npr|qr|valve|vent\w*|instant|manual|high)",
    "LAST": r"(?:last|final|end|remaining|before)",
    "AFTER": r"(?:after|once|later|first|halfway|half-way)",
    "EVERY": r"(?:every|each|per|side)",
    "STIR": r"(?:stir\w*|turn\w*|toss\w*|shake)",
    "COOL": r"(?:cool\w*|chill\w*|fridge|refrigerat\w*|freez\w*|tray|spread|marinat\w*|room)",
    "ADD": r"(?:add\w*|tip|pour\w*|scatter\w*|fold|in goes|goes in|go in|throw|put|drop|sprinkle)",
    "GRAIN": rf"(?:rice|grain\w*|grits|arroz|chawal|riz|beras|paddy|sadam|{OTHER_GRAINS})",
    "LIQUID": r"(?:water|stock|broth|milk|liquid|juice|cream|tomato\w*|yakhni|soup|dashi|wine|santan)",
    "PULSE": r"(?:lentil\w*|dal|dhal|beans?|peas?|chickpeas?|moong|chana)",
    "VEG": r"(?:onion\w*|garlic|ginger|pepper\w*|carrot\w*|celery|leek\w*|mushroom\w*|spinach|cabbage|veg\w*|pyaz|squash|pumpkin|potato\w*|shallot\w*|scallion\w*)",
    "MEAT": r"(?:chicken|beef|pork|lamb|mutton|sausage\w*|bacon|mince|meat|turkey|ham|fish|prawn\w*|shrimp\w*|salmon|cod|duck|chorizo|tofu|paneer|egg|eggs)",
    "SAUCE": r"(?:sauce|dressing|gravy|syrup|raita|chutney|salsa|marinade|topping|garnish|relish|stew|curry|tempering|tadka)",
    "SPICE": r"(?:spice\w*|cumin|jeera|mustard|cinnamon|cardamom|masala|turmeric|seeds?)",
    "DONE": r"(?:tender|absorbed|done|soft|cooked|dry|craters|holes|thick\w*|creamy)",
    "SERVE": r"(?:serve\w*|serving|eat|plate\w*|garnish\w*)",
}  # fmt: skip
_CLASS = {k: re.compile(rf"\b{v}\b", re.I) for k, v in _CLASSES.items()}
_PLACE = {
    "microwave": re.compile(r"\bmicrowav\w*", re.I),
    "cooker": re.compile(r"\brice[- ]cooker\b", re.I),
    "oven": re.compile(r"\b(?:oven|bake|baked|baking)\b", re.I),
    "pressure": re.compile(r"\b(?:pressure|whistles?|instant pot|npr)\b", re.I),
    "steamer": re.compile(r"\bsteam(?:er|ing basket)\b", re.I),
    "slow": re.compile(r"\b(?:slow[- ]cooker|crock[- ]?pot)\b", re.I),
}


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


def tag(
    blocks: Sequence[Block],
    found: Sequence[Clause],
    usual_min: float | None,
    cooked: bool,
    steeps: bool = False,
    sorts: Sequence[str] = (),
) -> list[Timed]:
    """steeps: the grain is only steeped, so its minutes off the heat, in the hot liquid, are its cooking."""
    places = places_of(blocks)
    if not places:
        return []
    tagger = Tagger.load("minutes")
    got = tagger.tag(features(blocks, found, places, usual_min, cooked, sorts))
    out: list[Timed] = []
    enters = _entry(found)
    cookers = any(_COOKERS.search(b.text) for b in blocks)
    pressed = any(_PLACE["pressure"].search(b.text) for b in blocks)
    for i, ((n, s), (kind, sure)) in enumerate(zip(places, got, strict=True)):
        if s.unit in ("minute", "whistle"):
            # "at minute 12" and "3 whistles" say themselves what they are
            kind, sure = ("from_start" if s.unit == "minute" else "whistles"), 0.99
            if s.unit == "whistle":
                before = blocks[n].text[max(0, s.start - 90) : s.start]
                earlier = [i for i, t in enumerate(out) if t.kind == "whistles" and t.block == n]
                at = clause_at(found, n, s.start)
                apart = at is not None and _of_another(found[at]) and any(t.kind == "heat" for t in out)
                if apart or _OTHER_COOKER.search(before) or earlier and _IN_BRACKETS.search(before):
                    # "4 whistles (3 for us)"
                    kind = "other"
                elif earlier and _IN_ALL.search(before):
                    # "till the 1st whistle, then medium, total 4 whistles"
                    out = [replace(t, kind="other") if i in earlier else t for i, t in enumerate(out)]
            out.append(Timed(s, n, kind, sure))
            continue
        others = tuple(x for x in tagger.others(i, 0.01) if x[0] != kind)[:5]
        if re.match(r"[\s-]*mark\b", blocks[n].text[s.end :]) and kind in ("heat", "pan", "other", "from_start"):
            # "at the 10 minute mark"
            out.append(Timed(s, n, "from_start", 0.9, ((kind, 0.1),) if kind != "from_start" else ()))
            continue
        before = blocks[n].text[max(0, s.start - 60) : s.start]
        if (
            out
            and (out[-1].kind, out[-1].block) == ("whistles", n)
            and _SAME_SAID.fullmatch(blocks[n].text[out[-1].stretch.end : s.start])
        ):
            # "8 whistles, medium heat (20 min)": the same by the clock
            kind, sure, others = "other", 0.95, ()
        elif (
            out
            and (out[-1].kind, out[-1].block) == ("heat", n)
            and _OTHER_SETTING.fullmatch(blocks[n].text[out[-1].stretch.end : s.start])
        ):
            # "HIGH 1½ hours or LOW 3": one or the other
            kind, sure, others = "other", 0.97, ()
        elif _BEFORE_THE_END.match(blocks[n].text, s.end):
            # "scatter the peas over 4 minutes before the end"
            kind, sure, others = "from_end", 0.98, ()
        elif _EVERY.search(before):
            # "stir every 4 minutes"
            kind, sure, others = "other", 0.98, ()
        elif (
            out
            and (out[-1].kind, out[-1].block) == ("heat", n)
            and kind in ("other", "from_end")
            and _UNCOVERED_FOR.fullmatch(blocks[n].text[out[-1].stretch.end : s.start])
            and _BAKES.search(before)
        ):
            # "Remove the foil and bake 20 minutes"
            kind, sure, others = "heat", 0.9, ((kind, 0.1),)
        elif (
            kind in ("other", "rest", "heat")
            and not any(t.kind == "heat" for t in out)
            and _LEFT_IN_WATER.search(blocks[n].text[max(0, s.start - 120) : s.start])
        ):
            # "wash the rice and leave it in cold water for half an hour", whatever was fried before
            kind, sure, others = "soak", 0.9, ((kind, 0.1),)
        elif (
            out
            and (out[-1].kind, out[-1].block) == ("whistles", n)
            and _THEN_LOW.fullmatch(blocks[n].text[out[-1].stretch.end : s.start])
        ):
            # "4 whistles, then sim 5 minutes"
            kind, sure, others = "heat", 0.93, ((kind, 0.07),) if kind != "heat" else ()
        elif (
            s.typical <= LONGEST_REST
            and _OFF_BEHIND.match(blocks[n].text, s.end)
            and any(t.kind == "heat" for t in out)
        ):
            # "12 min low, 10 min off"
            kind, sure, others = "rest", 0.93, ((kind, 0.07),) if kind != "rest" else ()
        elif _READY_IN.search(before) and any(t.kind == "heat" for t in out):
            # "Done in 20 min, one pan"
            kind, sure, others = "other", 0.97, ()
        elif (
            SUMMED.match(blocks[n].text, s.end)
            and (heats := [i for i, t in enumerate(out) if t.kind == "heat"])
            and all(_AFTER.search(blocks[out[i].block].text[: out[i].stretch.start][-24:]) for i in heats)
        ):
            # "After 15 minutes add the zest. When it is done (18 minutes in all)": the sum is the cooking, and the fifteen a mark in it
            out = [
                replace(t, kind="from_start", others=(("heat", 0.1),)) if i in heats else t for i, t in enumerate(out)
            ]
            kind, sure, others = "heat", 0.95, ()
        elif SUMMED.match(blocks[n].text, s.end) and any(t.kind == "heat" for t in out):
            # "35 minutes, then 10 without the lid (so 45 in total)"
            kind, sure, others = "other", 0.97, ()
        elif _only_if(blocks[n].text, s.start) or (
            _IN_BRACKETS.search(before) and _IF_NOW.match(blocks[n].text, s.end)
        ):
            kind, sure, others = "other", 0.98, ()
        elif _MADE_AHEAD.search(blocks[n].text[max(0, s.start - 160) : s.start]):
            # "can be made the day before and kept; then bake 45 minutes": what the cook may do another time
            kind, sure, others = "other", 0.95, ()
        elif cookers and s.typical <= LONGEST_REST and _CLICKED.search(before):
            kind, sure, others = "rest", max(sure if kind == "rest" else 0.0, 0.9), ()
        elif kind in ("heat", "other", "pan") and _CHECKED_AT.search(before) and any(t.kind == "heat" for t in out):
            # "check at 50 minutes", of the hour it bakes
            kind, sure, others = "from_start", 0.9, ((kind, 0.1),)
        elif (
            kind in ("other", "rest")
            and s.typical <= LONGEST_REST
            and _RESTS_NOW.search(before)
            and any(t.kind == "heat" for t in out)
            and not any(t.kind == "rest" for t in out)
        ):
            # a sentence that says so and no more, when the grain was at the heat
            kind, sure, others = "rest", max(sure if kind == "rest" else 0.0, 0.88), (("other", 0.1),)
        elif _IS_SOAKING.search(before) and kind != "soak" and not any(t.kind == "heat" for t in out):
            kind, sure, others = "soak", 0.9, ((kind, 0.1),)
        elif (
            kind in ("heat", "pan")
            and (at := clause_at(found, n, s.start)) is not None
            and _turned_dry(found[at], blocks[n].text, s)
        ):
            # "add rice; cook, stirring, until golden, 5 minutes", before any liquid is in
            kind, sure, others = "toast", 0.85, ((kind, 0.15),)
        elif _NIGHT_BEFORE.match(blocks[n].text, s.start) and not any(t.kind == "heat" for t in out):
            # "The night before (or 2 hours ahead) wash the rice and leave it in cold water"
            kind, sure, others = "soak", 0.85, ((kind, 0.15),) if kind != "soak" else ()
        elif _SOAKED.search(before) and kind not in ("soak", "rest"):
            # "put in the rice (washed, soaked 20 minutes, drained)"
            kind, sure, others = "soak", 0.9, ((kind, 0.1),)
        elif (
            kind in ("other", "rest", "heat", "release")
            and not any(t.kind in ("heat", "pan", "come_up", "toast") for t in out)
            and (
                _WASHED_AND_LEFT.search(_so_far(blocks, n, s.start))
                or (_LEFT.search(before) and _THEN_STARTED.match(blocks[n].text, s.end))
            )
        ):
            # "wash the rice, salt, leave it 30 minutes", before anything is hot: it stands in its water
            kind, sure, others = "soak", 0.8, ((kind, 0.2),)
        elif kind == "soak" and (at := clause_at(found, n, s.start)) is not None and _of_another(found[at], sorts):
            # "soak the split peas 1 hour"
            kind, sure, others = "other", 0.9, (("soak", 0.1),)
        elif (
            kind == "heat"
            and sure < SURE_HEAT
            and (at := clause_at(found, n, s.start)) is not None
            and _entered(found, at, enters) == "later"
        ):
            # the chicken simmers, and the grain goes in afterwards
            kind, sure, others = "other", 0.75, (("heat", 0.25),)
        elif kind == "heat" and sure < SURE_HEAT and _chilled_since(out, blocks, n, s.start):
            # drained and put in the fridge: what is heated then is the dish
            kind, sure, others = "other", 0.75, (("heat", 0.25),)
        elif _BEFORE_THE_GRAIN.match(blocks[n].text, s.end):
            # "give the lentils 10 minutes in the liquid before the quinoa goes in"
            kind, sure, others = "other", max(sure if kind == "other" else 0.0, 0.9), ()
        elif steeps and (
            _LET_STEEP.search(before) or _STEEPS.search(before) and not any(t.kind == "heat" for t in out)
        ):
            kind, sure, others = "heat", 0.9, ((kind, 0.1),) if kind != "heat" else ()
        elif kind == "come_up" and _FROM_THE_BOIL.search(blocks[n].text[max(0, s.start - 90) : s.start]):
            # "when it comes back to the boil give it 6 minutes"
            kind, sure, others = "heat", 0.85, (("come_up", 0.15),)
        elif _COMES_UP.search(before) or _TO_COME_UP.match(blocks[n].text, s.end):
            kind, sure, others = "come_up", 0.97, ()
        elif _COMES_DOWN.search(before) or _NPR_AFTER.match(blocks[n].text, s.end):
            kind, sure, others = "release", max(sure if kind == "release" else 0.0, 0.9), ()
        elif kind not in ("soak", "rest") and (
            _HALF_DONE.search(blocks[n].text[max(0, s.start - 90) : s.start])
            or (kind == "heat" and _HALF_NOW.match(blocks[n].text, s.end))
        ):
            # "add the rice, cook till 70 % done, about 5 minutes": the first of its two cookings
            kind, sure, others = "heat", 0.97, ()
        elif _KEPT_HOT.search(before) and any(t.kind == "heat" for t in out):
            # it goes on cooking, and nothing heats it
            kind, sure, others = "rest", 0.97, ()
        elif s.typical <= LONGEST_REST and _JUST_OFF.search(before) and not any(t.kind == "rest" for t in out):
            # "Lid on, lowest, 11 min. Off. Do not peep. 12 min."
            kind, sure, others = "rest", max(sure if kind == "rest" else 0.0, 0.9), ()
        elif (
            kind in ("other", "pan")
            and _AT_HEAT.search(before)
            and out
            and (out[-1].kind, out[-1].block) == ("heat", n)
            and not re.search(r"[.;!?]\s*\w+ (?:oil|onion|pan)", blocks[n].text[out[-1].stretch.end : s.start])
        ):
            # "high heat 7 minutes, medium heat 5, low heat 10": one cooking
            kind, sure, others = "heat", 0.85, ((kind, 0.15),)
        elif _MICROWAVED.search(before) and _AT_POWER.match(blocks[n].text, s.end):
            kind, sure, others = "heat", max(sure if kind == "heat" else 0.0, 0.9), ()
        elif _KEPT_WARM.search(before) and s.typical <= LONGEST_REST:
            kind, sure, others = "rest", max(sure if kind == "rest" else 0.0, 0.9), ()
        elif (
            _AT_PRESSURE.search(before)
            or (pressed and _HIGH_AFTER.match(blocks[n].text, s.end))
            or (_TAKES.search(before) and cookers)
        ):
            kind, sure, others = (
                "heat",
                max(sure if kind == "heat" else 0.0, 0.93),
                tuple(x for x in ((kind, sure), *others) if x[0] != "heat"),
            )
        if (
            kind == "heat"
            and out
            and out[-1].block == n
            and out[-1].kind == "other"
            and out[-1].chance("heat") > LEAST_AGAIN
            and _UNCOVERED_FOR.fullmatch(blocks[n].text[out[-1].stretch.end : s.start])
            and (s.text.lower().startswith(("another", "a further")) or _MORE_OF_IT.match(blocks[n].text, s.end))
        ):
            # what goes on without its lid began with it
            out[-1] = replace(out[-1], kind="heat", sure=0.9, others=(("other", 0.1),))
        out.append(Timed(s, n, kind, sure, others))
    return _counted_on(out, blocks)


def not_in(timed: list[Timed], found: Sequence[Clause], vessels: frozenset[int]) -> list[Timed]:
    """What is told of these vessels is not the grain's: another one cooks in them."""
    out = []
    for t in timed:
        at = clause_at(found, t.block, t.stretch.start) if vessels else None
        if at is not None and found[at].vessel in vessels and t.kind in ("heat", "rest", "release", "come_up", "toast"):
            t = replace(t, kind="other", sure=0.8, others=((t.kind, 0.2),))
        out.append(t)
    return out


_GOES_ON = re.compile(
    r"\b(?:another|further|more|longer|(?:carry|go|keep)(?:ing)? on|continue|the rest of the)\b", re.I
)


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


_COOKERS = re.compile(
    r"\bcookers?\b|\b(?:press|hit|push)(?:es|ed)? (?:the |down )?(?:cook|start|switch|button)\b", re.I
)
# "leave it soaking half an hour"
_IS_SOAKING = re.compile(
    r"\b(?:leave|left|keep|let)\b[^.;!?,]{0,30}\bsoak(?:ing)?(?: in [a-z ]{0,16}water)?,? (?:for )?(?:about |abt |at least )?$",
    re.I,
)
_CHECKED_AT = re.compile(
    r"\b(?:check|look|tast(?:e|ing)|test)(?:ing)?(?: it| them| the \w+)? (?:at|after)(?: about| around)?\s*$|\bwhen (?:it|the \w+) has (?:been )?(?:simmer|cook|boil|bubbl|bak)(?:ed|ing)(?: for)?(?: about)?\s*$",
    re.I,
)
_HALF_DONE = re.compile(
    r"\b(?:rice|grains?)\b[^.;!?]*\b(?:cook|boil)\w*\b[^.;!?]*\b(?:\d{2} ?%|half|three[- ]quarters?|almost|nearly) (?:done|cooked|through)\b[^.;!?]*$",
    re.I,
)
_FROM_THE_BOIL = re.compile(
    r"\b(?:when|once|after|as soon as|from the (?:time|moment))\b[^.;!?]{0,50}\bboil\w*\b[^.;!?]{0,30}\b(?:give|cook|boil|let|leave|keep)\b[^.;!?]{0,16}$",
    re.I,
)
# "boil for 5 minutes – it should be about 70 % done"
_HALF_NOW = re.compile(
    r"[\s,;(–—-]*(?:[^\W\d]+ ){0,5}(?:about |abt |around |~)?(?:\d{2} ?%|half|three[- ]quarters?|almost|nearly|not quite) (?:done|cooked)\b",
    re.I,
)
SUMMED = re.compile(r"\s*(?:in total|in all|altogether|total)\b", re.I)
_KEPT_HOT = re.compile(
    r"\b(?:thermos|vacuum flask|hay ?-?box|wonder ?bag|sleeping bag|duvet|quilt|blankets?|cooker cosy)\b[^.!?]{0,40}$",
    re.I,
)
_RESTS_NOW = re.compile(
    r"(?:^|[.!;]\s*)(?:let (?:it |them )?|then )?(?:rest|stand)(?: it)?(?:,? covered)?,?(?: for)?\s*(?:about\s*)?$",
    re.I,
)
_NIGHT_BEFORE = re.compile(
    r"(?:the night before|overnight|all night|(?:at least )?\d+(?:\s?[-–]\s?\d+)? hours? (?:ahead|before|earlier))\b[^.;!?]{0,60}\b(?:rice|grain|it)\b[^.;!?]{0,40}\b(?:leave|put|stand|keep|cover|let|soak)\w*\b[^.;!?]{0,30}\bwater\b",
    re.I,
)
_TURNED = re.compile(
    r"\b(?:until|till)\b[^.;!?]{0,40}\b(?:golden|toast\w*|translucent|opaque|nutty|glossy|glassy|coated|fragrant|turns? white|pearly)\b",
    re.I,
)


def _turned_dry(c: Clause, text: str, s: Stretch) -> bool:
    """Is the grain in the pan, no liquid yet, and the sign one of frying?"""
    begins = max(text.rfind(x, 0, s.start) for x in ".!?") + 1
    ends = min((i for x in ".!?" if (i := text.find(x, s.end)) >= 0), default=len(text))
    said = text[max(begins, s.start - 200) : min(ends, s.end + 80)]
    grain = c.before.grain or bool(_CLASS["GRAIN"].search(said))
    return grain and c.grains and not c.before.wet and bool(_TURNED.search(said)) and not _CLASS["LIQUID"].search(said)


_MADE_AHEAD = re.compile(
    r"\b(?:can|may|could) (?:also )?be (?:made|prepared|put together|assembled|done)\b[^.!?]{0,30}\b(?:the day before|a day (?:before|ahead)|(?:the )?night before|ahead|in advance|beforehand)\b[^.!?]*$",
    re.I,
)
_SOAKED = re.compile(
    r"\b(?:rice|grains?|chawal|arroz|riz)\b[^.;!?]{0,40}\bsoaked (?:for )?(?:about |at least )?$", re.I
)


# nothing is heated, drained or set to dry between the washing and the leaving
_WASHED_AND_LEFT = re.compile(
    r"\b(?:wash\w*|rinse\w*)\b(?:(?!\b(?:drain|sieve|basket|colander|strainer|boil|heat|cook|fry|oven|simmer|add|meanwhile|chicken|meat|fish|marinat\w*)\w*\b).){0,140}"
    r"\b(?:leave|let|keep)\b(?: (?:it|them|the (?:rice|grain)|that))?(?: (?:sit|stand|soak|in (?:the )?water))?(?: for)?\s*(?:about |abt )?$",
    re.I | re.S,
)


# "let sit 15 minutes, then press COOK"
_LEFT = re.compile(r"\b(?:leave|let|keep|stand|sit)\b[^.;]{0,24}$", re.I)
_THEN_STARTED = re.compile(
    r"[\s,]*(?:(?:and )?then|before|and)\b[^.;]{0,20}\b(?:press|push|start|switch|turn(?:\w* on\b| the (?:heat|gas|cooker)))\w*\b",
    re.I,
)


_CHILLED = re.compile(r"\b(?:fridge|refrigerat\w*|chill(?:ed)?)\b", re.I)


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


_SAME_SAID = re.compile(r"[^.;()]{0,40}\((?:about |abt |takes |that is |~)*")
# "(45 mins if it was not frozen)"
_IF_NOW = re.compile(r"\s*(?:more |longer )?(?:if|when)\b", re.I)
_IN_BRACKETS = re.compile(r"\([^)]*$")
_IN_ALL = re.compile(r"\b(?:total|totally|in all|altogether)\s*(?:of\s*)?$", re.I)


_SOAKS_THE = re.compile(r"\bsoak(?:ing)?\s+(?:all )?(?:the|your|these|those|some|dried)\s", re.I)


def _of_another(c: Clause, sorts: Sequence[str] = ()) -> bool:
    """Is it something other than the grain that this clause soaks, or cooks? sorts: of the lines it may name."""
    named = {sorts[x] for x in c.lines if x < len(sorts)}
    if _SOAKS_THE.search(c.text) and named & {"x", "p"} and not named & {"G", "g"} and "grain" not in c.things:
        # "soak the leaves in hot water"
        return True
    solid = [k for k in c.things if k not in ("liquid", "fat", "spice", "sauce")]
    return bool(solid) and "grain" not in solid and c.carried != "grain"


_BEFORE_THE_GRAIN = re.compile(
    r"[^.;!?]{0,30}?\b(?:before the [\w -]{2,30} (?:goes|go|is added|are added|joins?)\b|in the liquid(?: \([^)]*\))?(?:, then stir in| before the))",
    re.I,
)
_LET_STEEP = re.compile(r"\blet it steep for (?:about )?$", re.I)
_STEEPS = re.compile(
    r"\b(?:steep|leave|let (?:it |them )?(?:stand|sit|swell|soak)|stand|sit|swell)\b[^.;!?]{0,30}$", re.I
)
# "to the boil (8 min)"
_COMES_UP = re.compile(
    r"\b(?:to (?:the |a )?(?:(?:gentle|rolling|full) )?boil(?:[^.;()]{2,60})?|until (?:it|the (?:water|pot|rice)|water) boils?|until (?:it(?:'s| is) )?(?:boiling|bubbling)|up to pressure|to pressure|heats? (?:up|through))\s*\(\s*(?:it )?(?:takes )?(?:about |abt |~)?$"
    r"|\bto (?:the |a )?boil(?: in|,? (?:it|this|which|that) takes) (?:about |abt |~|roughly )?$",
    re.I,
)
# "(10 mins or so to come up)", "12 to get there", "about 8 min to build pressure"
_TO_COME_UP = re.compile(
    r"\s*(?:or so\s+)?(?:to|till it|until it) (?:comes? (?:up|to pressure)|gets? (?:there|up to pressure)|builds?\b|reach\w* pressure)",
    re.I,
)
# a sentence of minutes alone, right after the heat is off and nothing else was done
_JUST_OFF = re.compile(
    r"\b(?:off|off (?:the )?heat|heat off|from the heat)[.!]\s*(?:(?:(?:do not|don't|no) [^.!?]{2,24}|(?:keep the )?lid on|covered)[.!]\s*)*$"
    r"|(?:^|[.!;]\s*)off,? (?:and |then )?(?:give it|leave it|wait|lid (?:back )?on|(?:keep )?covered|keep closed)\s*,?\s*(?:for\s*)?(?:another\s*|a further\s*)?$"
    r"|(?:^|[.!;,]\s*)off,?\s*(?:for\s*)?(?:another\s*|about\s*)?$"
    # "cook on sim 12 min. don't open after for 10 min"
    r"|\b\d+ ?m(?:in(?:ute)?s?)?[.,;!]\s*(?:then )?(?:do not|don'?t|never) (?:open|touch|lift|peek)[^.!?;\d]{0,20}\b(?:after|then)\b(?: for)?\s*$"
    r"|\b(?:fire|heat|flame|gas|stove|hob) off,?(?: and| then)?(?: (?:steam|stand|rest|leave|sit|wait|let (?:it )?\w+)(?: it)?)?,?(?: for| about| another)*\s*$",
    re.I,
)
_AT_HEAT = re.compile(
    r"\b(?:high|medium|low|lowest|small|gentle)(?:est)? (?:heat|flame|fire)(?: for)?\s*(?:about )?$", re.I
)
# "microwave it 8 minutes at 800 W": a round of the cooking
_MICROWAVED = re.compile(r"\bmicrowave (?:it|the (?:bowl|rice|grain))(?: for)?\s*(?:about )?$", re.I)
_AT_POWER = re.compile(r"\s*(?:at|on) (?:\d{2,4} ?w\b|\d{1,3} ?%|(?:full|half|high|medium|low)\b)", re.I)
# a rice cooker that is done: "when finished steam 10 min more"
_CLICKED = re.compile(
    r"\b(?:when|once|after)(?: it| the (?:cooker|switch|button))?(?:'s| is| has)? (?:finish(?:ed|es)|done|clicks?(?: off)?|clicked|beeps?|switches off|pops(?: up)?)\b[^.;]{0,40}$",
    re.I,
)
# the cooker's own rest: "keep on WARM 15 min", "leave on warm for 10"
_KEPT_WARM = re.compile(
    r"\b(?:keep|keeps|kept|leave|left|stay|stays|stand|switch(?:es)? to|goes to|then)(?: it)?(?: (?:on|at|to))? (?:the )?(?:['\"]?keep[- ])?warm['\"]?\s*(?:mode|setting|function)?,?\s*(?:for\s*)?(?:about\s*|another\s*)?$",
    re.I,
)
# "in another small cooker, 3 whistles"
_OTHER_COOKER = re.compile(
    r"\b(?:another|separate|second|other|different)\s+(?:small |little |pressure )*(?:cooker|pan|pot)\b[^.;]*$", re.I
)
# "let it come down by itself for 10 mins"
_COMES_DOWN = re.compile(
    r"\bN\.?P?\.?R\b\.?(?: for)?\s*$|\bnatural(?:ly)? releas\w*,?(?: for)?\s*[~(]?\s*(?:about )?$|\b(?:come|comes|go|goes|drop|fall)\s?(?:down|off)? (?:by itself|on its own|naturally)[\s,:(–-]*(?:for\s*)?(?:about\s*|abt\s*)?$",
    re.I,
)
LONGEST_REST = 40.0
# minutes at the heat surer than this are the grain's, though it is told of later
SURE_HEAT = 0.95
LEAST_AGAIN = 0.15
# said by the cooker itself: "HIGH pressure 8 minutes", "press start (mine takes 46 min)"
_AT_PRESSURE = re.compile(
    r"\bHI\s*$|\b(?:(?:high|low|full|manual)[ -]pressure|pressure[- ]cook)(?: it)?(?: on high)?\s*(?:for|[-,:=])?\s*(?:about )?$"
    # the cooker's own programme
    r"|\"(?:porridge|rice|multi-?grain|congee|soup|stew|manual)\"(?: (?:mode|setting|button|program\w*))?,?(?: for)?\s*$",
    re.I,
)
# "22 min high, 10 NPR"
_NPR_AFTER = re.compile(r"\s*(?:min\w*\s*)?(?:NPR|NR)\b")
_HIGH_AFTER = re.compile(r"\s*(?:at |on )?(?:high|hi)\b(?: pressure)?\s*(?:[,.;+&]|$|then\b|and\b)", re.I)
_TAKES = re.compile(
    r"\b(?:mine|ours|it|cooker|which|this|that)\s+(?:usually |normally )?(?:takes|clicks off (?:at|after)|switches off after|is done (?:in|after))\s*(?:about|around)?\s*$",
    re.I,
)
_THEN_LOW = re.compile(
    r"[^.;\d]{0,30}?[,.;]?\s*(?:and |then )*(?:sim(?:mer)?|low(?:er)?|reduce|keep|cook)\b[^.;\d]{0,24}", re.I
)
_OFF_BEHIND = re.compile(r"\s*off\b(?: (?:the )?heat)?\s*(?:[,.;)]|$)", re.I)
_AFTER = re.compile(r"\bafter(?: about| the first)?\s*$", re.I)
_BEFORE_THE_END = re.compile(
    r"\s*before (?:the end|it(?:'s| is) (?:done|ready)|the (?:rice|grain|cooking|time) (?:is|are) (?:done|up|over|ready|cooked))\b",
    re.I,
)
_EVERY = re.compile(r"\b(?:every|each)\s*(?:few|couple of|about|~)?\s*$", re.I)
_BAKES = re.compile(r"\b(?:bak|cook|simmer|roast|oven)\w*\b[^.;]{0,24}$", re.I)
_LEFT_IN_WATER = re.compile(
    r"\b(?:rice|grains?|it)\b[^.;!?]{0,40}\b(?:leave|left|let|stand|sit|keep)\b[^.;!?]{0,24}\bin (?:(?:some|plenty of|clean|fresh|cold|cool|warm|tepid|lukewarm|salted) )*water(?: for)?(?: about| at least)?\s*$",
    re.I,
)
_READY_IN = re.compile(r"\b(?:done|ready|finished|on the table|all) in(?: about| under| only| just)?\s*$", re.I)
# "Bake 30 minutes. Uncover, bake another 30"
_UNCOVERED_FOR = re.compile(
    r"\s*[.,;]\s*(?:then )?(?:uncover|remove (?:the )?(?:foil|lid|cover)|take (?:the )?(?:foil|lid) off|(?:foil|lid) off)\b[^.!?]{0,40}",
    re.I,
)
_MORE_OF_IT = re.compile(r"\s*(?:more|longer)\b", re.I)
# "HIGH 1½ hours or LOW 3", "3 hours on low, or 1½ on high"
_OTHER_SETTING = re.compile(
    r"\s*(?:on (?:high|low)(?: heat| setting)?\s*[,/;(]?\s*or,?\s*(?:for )?|[,/;(]?\s*or,?\s*(?:(?:on|at) )?(?:the )?(?:high|low)(?: heat| setting)?(?: for)?\s*)(?:about |around )?",
    re.I,
)
# minutes that are cooked only where the pot wants them: "Not yet? … 2 more minutes", "if it is still hard, another 5", "for a crust"
_ONLY_IF = re.compile(
    r"(?:not yet\?|\bif (?:the )?(?:switch|button|cooker) (?:jumps|clicks|pops|trips)\b|\bif (?:it|they|the (?:rice|grains?|\w+)|there)(?:'s|\s+(?:is|are|isn't|aren't|looks?|seems?|still|need\w*|has|have|feels?))\b[^.;!?]*\b(?:hard|firm|raw|undercooked|chalky|wet|liquid|water|soupy|not (?:yet )?(?:done|tender|cooked|soft)|"
    r"isn't (?:done|tender)|needs? (?:it|more|longer)|crunchy|bite)|\bif (?:still|too) (?:a (?:bit|little) |rather |very )?(?:hard|firm|raw|wet|soupy|chewy|crunchy|al dente|not )|\bif not (?:done|tender|cooked)|\bif (?:it|they)(?:'s not| isn't| aren't|'re not| is not| are not)\b,?|\bfor a crust\b|\bif (?:needed|necessary)\b)",
    re.I,
)


def _only_if(text: str, at: int) -> bool:
    """Does the sentence before this place begin with a condition? A sentence that goes on after "Not yet?" is one with it."""
    before = text[max(0, at - 240) : at]
    parts = re.split(r"(?<!yet\?)(?<=[.!;])\s+|(?<!yet)\?\s+", before, flags=re.I)
    return bool(_ONLY_IF.search(parts[-1]))


def places_of(blocks: Sequence[Block]) -> list[tuple[int, Stretch]]:
    """Every stretch of minutes with the step it stands in; whistles among them."""
    found = []
    for n, b in enumerate(blocks):
        mine = list(stretches(b.text[:6000]))[:40]
        for m in WHISTLES.finditer(b.text[:6000]):
            low, high = _count(m["n"] or m["m"])
            mine.append(Stretch(m.start(), m.end(), low, high, m[0], "whistle"))
        found += [(n, s) for s in sorted(mine, key=lambda s: s.start)]
    return found


_COUNTS = {w: float(n) for n, w in enumerate(["one", "two", "three", "four", "five", "six", "seven", "eight"], 1)} | {
    "a": 1.0
}


def _count(said: str) -> tuple[float, float]:
    numbers = [float(x) for x in re.findall(r"\d+", said)] or [_COUNTS.get(said.lower(), 1.0)]
    return min(numbers), max(numbers)


@lru_cache(maxsize=2_000)
def _classes(text: str) -> tuple[str, ...]:
    """What the words of a text say about the pot, each class once. The sentence before, and the one after, are asked for by every stretch beside them."""
    words = _WORD.findall(text.lower())
    found = {k for w in words for k in _of_words(w)}
    found.update(k for a, b in zip(words, words[1:], strict=False) for k in _of_words(f"{a} {b}"))
    return tuple(k for k in _CLASSES if k in found)


@lru_cache(maxsize=20_000)
def _of_words(words: str) -> tuple[str, ...]:
    """The classes of one word or of two as they stand together; the same few thousand words come again and again."""
    return tuple(k for k, p in _CLASS.items() if p.fullmatch(words))


def features(
    blocks: Sequence[Block],
    found: Sequence[Clause],
    places: Sequence[tuple[int, Stretch]],
    usual_min: float | None,
    cooked: bool,
    sorts: Sequence[str] = (),
) -> list[list[str]]:
    whole = "\n".join(b.text for b in blocks)
    where = [k for k, p in _PLACE.items() if p.search(whole)]
    state = {"grain": False, "wet": False, "boil": False, "cover": False, "off": False, "drain": False, "soak": False}
    per_block = [sentences(b.text) for b in blocks]
    at_block = at_sentence = 0
    before_words = ""
    out = []
    total = max(1, len(places))
    enters = _entry(found)
    grains_at, grain_total = [], 0
    for block in blocks:
        grains_at.append(_Mentions([m.start() for m in _CLASS["GRAIN"].finditer(block.text)], grain_total))
        grain_total += len(grains_at[-1].at)
    for i, (n, s) in enumerate(places):
        # the pot's state up to the sentence this stands in
        while (at_block, at_sentence) < (n, _sentence_of(per_block[n], s.start)):
            if at_sentence < len(per_block[at_block]):
                a, b = per_block[at_block][at_sentence]
                before_words = blocks[at_block].text[a : min(b, a + NEAR)]
                _advance(state, before_words)
                at_sentence += 1
            else:
                at_block, at_sentence = at_block + 1, 0
        spans = per_block[n]
        k = _sentence_of(spans, s.start)
        a, b = spans[k] if k < len(spans) else (0, len(blocks[n].text))
        # a sentence without end tells no more than its near words
        before = blocks[n].text[max(a, s.start - NEAR) : s.start]
        after = blocks[n].text[s.end : min(b, s.end + NEAR)]
        here = dict(state)
        _advance(here, before)
        clause = _CLAUSE.split(before)[-1]
        if len(_WORD.findall(clause)) < 2:
            clause = " ".join(_CLAUSE.split(before)[-2:])
        tail = _CLAUSE.split(after)[0] if after else ""
        nxt = spans[k + 1] if k + 1 < len(spans) else None
        following = blocks[n].text[nxt[0] : nxt[1]] if nxt else (blocks[n + 1].text[:80] if n + 1 < len(blocks) else "")
        fs = [
            "bias",
            f"unit={s.unit}",
            f"size={_bucket(s.typical)}",
            f"part={min(4, 5 * i // total)}",
            f"left={min(4, total - i - 1)}",
        ]
        fs += (
            [f"c:{x}" for x in _classes(clause)]
            + [f"b:{x}" for x in _classes(before)]
            + [f"a:{x}" for x in _classes(after)]
        )
        fs += (
            [f"t:{x}" for x in _classes(tail)]
            + [f"p:{x}" for x in _classes(before_words)]
            + [f"n:{x}" for x in _classes(following)]
        )
        wb, wa = [w.lower() for w in _WORD.findall(as_rice(before))], [w.lower() for w in _WORD.findall(as_rice(after))]
        for d in (1, 2, 3, 4):
            if len(wb) >= d:
                fs.append(f"w-{d}={wb[-d]}")
            if len(wa) >= d:
                fs.append(f"w+{d}={wa[d - 1]}")
        if len(wb) >= 2:
            fs.append(f"w-2-1={wb[-2]} {wb[-1]}")
        if not wb:
            fs.append("starts")
        fs += (
            [f"cw={w.lower()}" for w in dict.fromkeys(_WORD.findall(as_rice(clause)))]
            + [f"bw={w}" for w in dict.fromkeys(wb[-12:])]
            + [f"aw={w}" for w in dict.fromkeys(wa[:8])]
        )
        fs += [f"s:{x}={int(v)}" for x, v in here.items()]
        fs.append(f"pot={int(here['grain'])}{int(here['wet'])}{int(here['off'])}")
        fs += [f"in:{x}" for x in where]
        fs.append(f"cooked={cooked}")
        if (j := clause_at(found, n, s.start)) is not None:
            c = found[j]
            rule = rule_kind(found, j, before, after, s.typical)
            t = c.before
            fs += [
                f"rule={rule}",
                f"verb={c.verb}",
                f"grains={c.grains}",
                f"rule={rule}&verb={c.verb}",
                f"rule={rule}&size={_bucket(s.typical)}",
            ]
            fs += [
                f"pot:{int(t.grain)}{int(t.wet)}{int(t.off)}{int(t.cooked)}",
                f"verb={c.verb}&grains={c.grains}&{int(t.grain)}{int(t.wet)}{int(t.off)}",
            ]
            fs += [f"obj:{x}" for x in (c.things or (c.carried and f"({c.carried})",))]
            fs += [f"verb={c.verb}&obj:{x}" for x in (c.things or (c.carried,))]
            if c.aside:
                fs.append("aside")
            here_lines = sorted({sorts[x] for x in c.lines if x < len(sorts)})
            fs.append(f"enters={_entered(found, j, enters)}")
            named = sorted({sorts[x] for o in _of_sentence(found, j) for x in o.lines if x < len(sorts)})
            fs += [f"line:{x}" for x in here_lines] + [f"lines:{x}" for x in named]
            fs += [f"lines={''.join(named)}", f"lines={''.join(named)}&verb={c.verb}"]
        if usual_min:
            ratio = s.typical / usual_min
            r = (
                0
                if ratio < 0.2
                else 1
                if ratio < 0.45
                else 2
                if ratio < 0.75
                else 3
                if ratio < 1.35
                else 4
                if ratio < 2.2
                else 5
            )
            fs += [f"ratio={r}", f"ratio={r}&pot={int(here['grain'])}{int(here['off'])}"]
        # what was spoken of last before the number, and whether the grain is still to come
        near = _last_thing(before) or _last_thing(before_words) or "-"
        fs += [
            f"near={near}",
            f"near={near}&main={next((x for x in _MAIN if f'c:{x}' in fs), '-')}",
            f"next={_first_thing(after) or '-'}",
        ]
        sofar = grains_at[n].count_before(s.start)
        ahead = grain_total - sofar
        fs += [
            f"grains={min(2, sofar)}{min(2, ahead)}",
            f"grains={min(1, sofar)}{min(1, ahead)}&size={_bucket(s.typical)}",
            f"sentences={min(3, len(spans))}",
        ]
        sec = blocks[n].section.lower()
        fs += [f"sec:{x}" for x in _classes(sec)] if sec else ["sec:none"]
        if s.bare:
            fs.append("bare")
        main = next((x for x in _MAIN if f"c:{x}" in fs), "-")
        fs += [
            f"main={main}&off={int(here['off'])}",
            f"main={main}&grain={int(here['grain'])}{int(here['wet'])}",
            f"main={main}&size={_bucket(s.typical)}",
        ]
        out.append(fs)
    return out


def _enters(c: Clause) -> bool:
    return c.grains and "grain" in c.things and c.verb in ("add", "stir", "cook", "boil", "toast")


def _put_in(found: Sequence[Clause], i: int) -> bool:
    """ "Wash the rice and put in a pan with the water": named in the sentence, and put in without its name. "Put all in the cooker": it is among all."""
    c = found[i]
    if ALL_IN.search(c.text):
        return True
    return c.verb == "add" and c.grains and any("grain" in o.things for o in _of_sentence(found, i))


def _entry(found: Sequence[Clause]) -> tuple[int, int]:
    """The clauses between which the grain comes into its pot: the first that puts it in without its name, the last that puts it in."""
    put = next((i for i in range(len(found)) if _put_in(found, i)), len(found))
    # "Drain the rice and tip it into the broth"
    return put, max((i for i, c in enumerate(found) if _enters(c) or _put_in(found, i)), default=-1)


def _entered(found: Sequence[Clause], j: int, entry: tuple[int, int]) -> str:
    """Is the grain in its vessel where a clause begins, named in its sentence, still to come, or never told of?"""
    put, last = entry
    if found[j].before.grain or put < j:
        return "in"
    if any("grain" in c.things for c in _of_sentence(found, j)):
        return "now"
    # "Poach the chicken, simmer 25 minutes. Wash the rice": it was not even washed
    others = any(_OTHERS & set(c.things) for c in found[: j + 1] if c.block == found[j].block)
    unspoken = not any("grain" in c.things for c in found[: j + 1]) and any("grain" in c.things for c in found[j + 1 :])
    return "later" if j < last or (others and unspoken) else "never"


_OTHERS = frozenset({"meat", "pulse", "veg"})


def _of_sentence(found: Sequence[Clause], j: int) -> list[Clause]:
    """The clauses before it in its sentence, and itself."""
    k = j
    while k > 0 and found[k - 1].block == found[j].block and found[k - 1].sentence == found[j].sentence:
        k -= 1
    return list(found[k : j + 1])


_MAIN = ("OFF", "REST", "SOAK", "FRY", "HEAT", "COOL", "BOILUP")
_THINGS = ("GRAIN", "LIQUID", "PULSE", "VEG", "MEAT", "SAUCE", "SPICE")


@dataclass(frozen=True, slots=True)
class _Mentions:
    """Where a block speaks of the grain, and how often the blocks before it did."""

    at: list[int]
    earlier: int

    def count_before(self, place: int) -> int:
        return self.earlier + sum(x < place for x in self.at)


def _things_in(text: str) -> list[str]:
    """What the words of a text name, of the things a pot may hold, in their order."""
    words = _WORD.findall(text.lower())
    return [k for w in words for k in _of_words(w) if k in _THINGS]


def _last_thing(text: str) -> str:
    found = _things_in(text)
    return found[-1] if found else ""


def _first_thing(text: str) -> str:
    found = _things_in(text)
    return found[0] if found else ""


def _bucket(minutes: float) -> int:
    edges = (0.9, 1.6, 3.2, 5.5, 8.5, 10.5, 13, 16, 21, 31, 46, 61, 125, 400, 1000)
    return next((i for i, e in enumerate(edges) if minutes <= e), len(edges))


def _sentence_of(spans: list[tuple[int, int]], at: int) -> int:
    return next((i for i, (a, b) in enumerate(spans) if at < b), max(0, len(spans) - 1))


def _advance(state: dict[str, bool], text: str) -> None:
    """What a stretch of text does to the grain's pot."""
    found = set(_classes(text))
    if "SOAK" in found:
        state["soak"] = True
    if "GRAIN" in found and found & {"ADD", "STIR", "HEAT", "BOILUP", "FRY", "COVER"} and "SOAK" not in found:
        state["grain"] = True
    if found & {"LIQUID"} and found & {"ADD", "BOILUP", "HEAT", "COVER"} and "SOAK" not in found:
        state["wet"] = True
    if "BOILUP" in found or re.search(r"\bboil", text, re.I):
        state["boil"] = True
    if "COVER" in found:
        state["cover"] = True
    if "DRAIN" in found and state["wet"]:
        state["drain"] = True
    if re.search(
        r"\b(?:off the (?:heat|stove|burner|flame|fire)|from (?:the )?heat|(?:heat|fire|flame|stove|gas) off|off heat|turn(?:ed)? (?:it |the \w+ )?off|switch(?:ed)? (?:it )?off|kill the heat|from the oven|out of the oven)\b",
        text,
        re.I,
    ) or re.search(r"\bOFF\b", text):
        state["off"] = True
    elif state["off"] and re.search(r"\b(?:return|back (?:on|to)|heat the|in a (?:pan|skillet|wok)|oil)\b", text, re.I):
        state["off"] = False
