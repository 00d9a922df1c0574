"""One recipe, several ways: what it tells of another stove, another pot or an unsoaked grain, beside the way that is cooked.

A case by hand: "Cover and simmer 18 minutes. In a pressure cooker it takes 6 minutes. If your lid is loose add 2 minutes. Off the heat, rest 10 minutes."
    cooked   18 minutes under a lid, 10 at rest
    aside    6 minutes (another pot), 2 minutes (a lid that is not this one's): no minutes of this pot, no sign of its way, and gone from the shifted text
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from functools import lru_cache

from ..measures import RANGE_PATTERN
from ..quick import lazy, quick
from .clauses import COOKED_SO_FAR
from .names import as_rice
from .pot_words import CLASS

_WAYS = {
    "stove": lazy(r"\b(?:stove|stove ?top|hob|saucepan|pot method|absorption|on the cooker)\b", re.I),
    "microwave": lazy(r"\bmicrowave\b", re.I),
    "oven": lazy(r"\b(?:oven|baked?)\b", re.I),
    "rice cooker": lazy(r"\brice[- ]cooker\b", re.I),
    "pressure": lazy(r"\b(?:pressure|instant pot|multi-?cooker|e-?pot)\b", re.I),
    "slow": lazy(r"\b(?:slow[- ]cooker|crock-?pot)\b", re.I),
    "plenty": lazy(
        r"\b(?:(?:boil(?:ing|ed)?|drain(?:ing|ed)?|pasta|plenty)(?:[ -]\w+)? (?:method|way)|like pasta)\b", re.I
    ),
}


# a second way at the end is another's, where the recipe has cooked its rice before
_IN_A_COOKER_INSTEAD = ("pressure", "microwave", "rice cooker", "slow")
_COOKED_THROUGH = lazy(
    r"\b(?:cover|lid)\w*\b[^!?\n]{0,60}\b(?:simmer|bake|cook|low)\w*\b[^.;!?\n]{0,40}?\b\d{2}\b", re.I
)
_RICE = lazy(r"\brice\b", re.I)
# "Oven: 1 cup rice, 2¼ cups boiling water …"
_LABELLED = lazy(r"\W*(?P<l>[^\W\d_]+(?: [^\W\d_]+){0,2})\s?:\s", re.I)


def way_of(section: str) -> str:
    """The one way that a section's heading names, if it names no more than a way: "STOVE TOP", "In the microwave (900 W)"."""
    if len(section.split()) > 6 or section.rstrip()[-1:] in ".!?,":
        return ""
    named = [k for k, p in _WAYS.items() if p.search(section)]
    return named[0] if len(named) == 1 else ""


def instead_blanked(texts: Sequence[str], sections: Sequence[str]) -> list[str]:
    """The steps' texts; where headings offer one way or another ("Stove top …", "Microwave …"), the first is the recipe and the steps of the others are blanked."""
    texts = _way_aside_blanked(texts)
    labels = [m["l"] if (m := _LABELLED.match(t)) else "" for t in texts]
    ways = [way_of(s) or (way_of(label) if label else "") for s, label in zip(sections, labels, strict=True)]
    told = list(dict.fromkeys(w for w in ways if w))
    if len(told) == 1 and told[0] in _IN_A_COOKER_INSTEAD:
        # "… cover and simmer 45 minutes.", and at the end "Pressure pan: 10 min."
        first = next(i for i, w in enumerate(ways) if w)
        so_far = as_rice("\n".join(texts[:first]))
        if all(ways[first:]) and _RICE.search(so_far) and _COOKED_THROUGH.search(so_far):
            return [*texts[:first], *(" " * len(t) for t in texts[first:])]
    if len(told) < 2:
        return list(texts)
    return [" " * len(t) if w and w != told[0] else t for t, w in zip(texts, ways, strict=True)]


_WAY_ASIDE = quick(
    r"(?:^|(?<=[.;!?]\s)|(?<=\n))\W*(?:for cooking (?:it |this )?(?:in|on)|if (?:you are |you're )?(?:cooking|making|using)(?: it| this)?(?: in| on| with)?|to (?:cook|make) (?:it |this )?(?:in|on)) (?:a |an |the |your )?"
    r"(?:instant pot|pressure cooker|rice cooker|slow cooker|crock ?pot|microwave|(?:sauce)?pan|pot|stove(?: ?top)?|hob)\b[^.;!?]{0,60}[.;,]",
    re.I,
)
# "simmer 45 min to 1 hr. (Pressure pan – 10 min at 15#)"
_WAY_IN_BRACKETS = quick(
    r"\s*\((?:or )?(?:(?:in|for|with|use) )?(?:(?:a|an|the) )?(?:pressure (?:pan|cooker|cook)|instant pot|microwave|slow cooker|crock ?pot|rice cooker)\b[^()\n]{0,40}\d[^()\n]{0,60}\)"
    # "Bake 2 hours. (Or simmer on the stove on low for 1 1/2 hrs.)"
    r"|\s*\(or (?:you can )?(?:simmer|cook|bake|boil|steam|roast|braise)\b[^()\n\d]{0,40}\b(?:on (?:the |a )?(?:stove\w*|hob)|(?:in|into) (?:the |an? )?(?:oven|slow cooker|crock ?pot|pressure cooker|instant pot))\b[^()\n\d]{0,40}\d[^()\n]{0,40}\)"
    # "Porridge setting, 20 mins (or Manual/High 30)"
    r"|\s*\(or (?:(?:on|use|at) )?(?:manual|high|low|porridge|normal)\b[^()\n\d]{0,20}\d[^()\n]{0,12}\)"
    # "5-6 whistles on medium (or 3 whistles then 10 mins on low)"
    r"|\s*\(or (?:else )?(?:for |about )?(?:\d{1,2}(?:\s*[-–]\s*\d{1,2})?|one|two|three|four) (?:full )?whistles?\b[^()\n]{0,60}\)",
    re.I,
)
_SO_LONG = lazy(r"\d[^.;!?\n]{0,12}\b(?:min\w*|whistles?|hours?)\b", re.I)


@lru_cache(maxsize=2048)
def ways_in_brackets(text: str) -> tuple[tuple[int, int], ...]:
    """Brackets that tell another way of the cooking just told: behind its minutes, or sentences of their own. "Warm the milk (microwave 2 min)" is none."""
    out = []
    for m in _WAY_IN_BRACKETS.finditer(text):
        before = text[: m.start()].rstrip()
        if before[-1:] in (".", "!", "?") or _MINUTES_LAST.search(before[-40:]):
            out.append(m.span())
    return tuple(out)


_MINUTES_LAST = lazy(
    r"\d[^.;()]{0,14}\b(?:min\w*|hours?|hrs?|whistles?)\.?$|\bwhistles? (?:on|over|at) (?:an? )?(?:low|medium|high)(?:[- ](?:low|medium|high))?(?: (?:flame|heat|fire))?$",
    re.I,
)


def _way_aside_blanked(texts: Sequence[str]) -> list[str]:
    """ "Pressure cook for 1 whistle … For cooking in a pan, add 2 cups water. Cover, low flame 12 minutes": once it is cooked, the other way is told aside, to the
    end of its step."""
    out: list[str] = []
    for t in texts:
        for a, b in ways_in_brackets(t):
            if _cooked_by("\n".join([*out, t[:a]])):
                t = t[:a] + " " * (b - a) + t[b:]
        m = next((m for m in _WAY_ASIDE.finditer(t) if _cooked_by("\n".join([*out, t[: m.start()]]))), None)
        out.append(t if m is None else t[: m.start()] + " " * (len(t) - m.start()))
    return out


def _cooked_by(told: str) -> bool:
    """Does a sentence so far cook something for so many minutes or whistles?"""
    return any(COOKED_SO_FAR.search(s) and _SO_LONG.search(s) for s in re.split(r"[.;!?\n]\s*", told))


# -- in a sentence of its own --------------------------------------------------------------------------------------

_ANY = r"(?:(?:an?|the|your|our|my|one of those|einen?|einem|una?|un|une|la|el|le|il|een|de) )?"
_SORT = r"(?:(?:electric(?:al)?|stove-?top|normal|ordinary|regular|conventional|old|modern|new|small|big|large|little|heavy|fan|fan-assisted|convection|gas|toaster|wood-?fired) ){0,2}"
_COOKER = (
    r"(?:pressure[- ]?(?:cooker|pan|pot)|rice[- ]?cooker|slow[- ]?cooker|multi-?cooker|crock-?pot|microwave|air[- ]?fryer|thermos(?: flask)?|hay-?box"
    r"|olla (?:a presión|exprés|express|rápida|arrocera)|arrocera|autocuiseur|cocotte[- ]minute|cuiseur à riz|schnellkochtopf|dampfkochtopf|reiskocher|pentola a pressione"
    r"|mikrowelle|micro-?ondes|microonde|snelkookpan|rijstkoker|magnetron)s?"
)
_HOB = (
    r"(?:(?:camp(?:ing)?|wood|gas|electric|ceramic|glass|halogen|induction)(?:[- ](?:stove|hob|cooker|ring|hot-?plate|burner|fire|range|top)s?)"
    r"|induction|electric|gas|(?:open|camp) ?fire|solid plates?)"
)
_OVEN = r"(?:oven|four|horno|forno|backofen)"
_LEADS_IN = (
    r"[^\w\n]{0,8}(?:(?:and|but|or|so|ok|also|note|n\.?b\.?|tip|p\.?s\.?|alternativ\w+|option\w*|variation)\b[:,]?\s*)*"
)
# "If you use a rice cooker, …", "Using a gas oven?", "For the microwave: …"
_WHERE_ONE = quick(
    rf"{_LEADS_IN}(?:if (?:(?:you(?:'re| are)?|ur|u|we|i) ?(?:only |prefer to |want to )?(?:us(?:e|ing)|cook(?:ing)?(?: (?:it|this|the rice|rice))?(?: in| on| with| over)?|have|mak(?:e|ing)(?: (?:it|this))?(?: in| on| with)?|own)"
    rf"|using|cook(?:ing|ed)(?: it)? (?:in|on|with|over)|made in|in|on)|using|when (?:using|cooking (?:in|on))|for(?: (?:cooking|making)(?: it| this)? (?:in|on))?|si (?:usas|se usa|tu utilises|vous utilisez)|wenn (?:du|man) )\s*"
    rf"{_ANY}{_SORT}(?:{_COOKER}|{_HOB}|{_OVEN})\b"
    rf"|{_LEADS_IN}if (?:(?:you(?:'re| are)?|u|ur) )?cook(?:ing)?(?: (?:it|this|the rice|rice))? in {_ANY}{_SORT}(?:pot|pan|saucepan|kada(?:i|hi)|karahi|handi|degchi|sufuria)\b",
    re.I,
)
_IT_TAKES = (
    r"(?:[,:]?\s*(?:it|this|that|they|rice|the rice|cooking)(?:'ll| will| would| may| might| should| can| could| only| just| usually| probably)*"
    r" (?:takes?|needs?|wants?|requires?|cooks? (?:in|for)|(?:is|be) (?:done|ready|cooked) (?:in|after)))"
)
_SO_MUCH = (
    r"(?:,?\s*(?:for |about |abt |around |allow |give (?:it )?|use |high |low |full |only |just |reckon |plan |count |cook (?:it )?(?:for )?|nur |sólo |solo |seulement |reichen |genügen |dauert (?:es )?|braucht (?:es )?|sind es |bastan |tarda |son |suffisent |il faut |comptez |bastano |ci vogliono |"
    r"(?:the )?(?:cooking )?times? (?:is|are) )*(?=\d))"
)
# "In a pressure cooker it takes 6 minutes", "In the microwave: 12", "On electric, switch the ring off after 8 minutes", "Rice cooker: 35 minutes"
_IN_ONE = quick(
    rf"{_LEADS_IN}(?:"
    rf"(?:in|with|by|en|à|au|im|mit der|mit dem|nella|con|met) {_ANY}{_SORT}{_COOKER}(?:{_IT_TAKES}|\s*[:=–—-]\s|{_SO_MUCH})"
    rf"|(?:on|over) the (?:stove(?: ?top)?|hob)(?:{_IT_TAKES}|\s?[:=–—]\s)"
    rf"|(?P<hob>on|over|auf) {_ANY}(?:{_HOB}(?:\s*[:–—-]\s|{_IT_TAKES}|{_SO_MUCH})|(?!gas){_HOB}\s*,\s)"
    rf"|in {_ANY}(?:(?:fan|fan-assisted|convection|gas|electric|toaster|wood-?fired) oven(?:{_IT_TAKES}|\s*[,:–—-]\s|{_SO_MUCH}| (?:give|allow|bake|cook)\b)|{_OVEN}{_IT_TAKES})"
    rf"|in an? (?:(?:open|covered|ordinary|normal|plain|heavy) )?(?:pot|pan|saucepan){_IT_TAKES}"
    rf"|in {_ANY}{_SORT}(?:pot|pan|saucepan|skillet)\s?[:=]\s(?=(?:about |cook |simmer |boil |low |covered |for )*\d)"
    rf"|{_SORT}(?:{_COOKER}|stove ?top)(?: (?:version|method|way|option|variation|instructions?))?\s*(?:[:=–—]\s|(?<!microwave )(?=\d)))",
    re.I,
)
# "If your lid is loose", "If your stove runs hot"
_IF_IT_IS = quick(
    r"[^\w\n]{0,8}(?:(?:and|but|or)\s+)?if (?:your|the|you have an?|yr|ur) (?:[^\W\d]+ ){0,2}?(?:lid|pan|pot|stove|hob|burner|flame|oven|cooker|ring|gas)\b"
    r"[^.;:!?()\d]{0,24}?(?:\b(?:runs?|(?:is|are)(?: (?:a bit|rather|very|quite|too|on the))? (?:hot|cool|slow|strong|fierce|weak|old|loose|thin|wide|small|big|large|heavy|light)|has no|have no|leaks?|does not|do not|will not|cannot)\b|n't\b)",
    re.I,
)
# "If you have no time to soak", "Unsoaked it takes 25", "Soaked rice cooks in 12", "Older rice may take 22"
_IF_SOAKED = quick(
    r"[^\w\n]{0,8}(?:(?:and|but|or)\s+)?(?:(?:if|when) (?:[^\W\d]+(?:'\w+)? ){0,4}?(?:not soak\w*|n't soak\w*|soaked|un-?soaked|pre-?soaked|no time to soak|skip\w* (?:the |a )?soak\w*|forgot to soak)"
    rf"|(?:(?:un-?|pre-?)?soaked(?: (?:overnight|first|beforehand|for [^.;:,()\d]{{2,20}}))?|without (?:the |a |any )?soak(?:ing)?|no soak(?:ing)?)\b(?: rice)?(?:{_IT_TAKES}|\s*[:=–—]\s|{_SO_MUCH}| (?:takes?|needs?))"
    r"|(?:(?:pre-?)?soaked|old(?:er)?|aged|new(?:er)?|fresh(?:er)?|new-crop|last year's) rice (?:(?:will|would|may|might|can|usually|often|only) )*(?:takes?|needs?|wants?|requires?|cooks?))",
    re.I,
)
# "In a hurry? …", "A pouch of microwave rice takes 90 seconds."
_READY_MADE = quick(
    rf"{_LEADS_IN}(?:(?:in a hurry|short (?:of|on) time|(?:got )?no time|pressed for time|feeling lazy)\?"
    r"|(?:(?:use|using|with|or|an?|one|the|some) )*(?:(?:(?:pouch(?:es)?|pack(?:et)?s?|sachets?|bags?|tubs?) of )?(?:ready[- ]?(?:cooked|made)|instant|pre-?cooked)"
    # "Microwave rice and stock 8 minutes" is a bidding
    r"|(?:pouch(?:es)?|pack(?:et)?s?|sachets?|bags?|tubs?) of microwav(?:e|able))[- ](?:brown |white |basmati )?rice\b)",
    re.I,
)
# "(a 600 W oven needs 2 minutes more)", "For 1000 W reduce 1 min"
_OTHER_POWER = quick(
    rf"{_LEADS_IN}(?:(?:in|for|with|on|if (?:yours|your oven|it) is) )?(?:an? )?\d{{3,4}}[- ]?w(?:atts?)?\b(?: (?:oven|microwave|machine|one)\b|,? (?:reduce|increase|add|allow|takes?|needs?)\b)",
    re.I,
)
_SAYS_HOW_LONG = lazy(
    r"\d|\b(?:an|one|two|three|half an?) hours?\b|\b(?:five|ten|fifteen|twenty|thirty|forty) min", re.I
)
_TAKES_THEN = lazy(
    r"\W*(?:(?:it|that|this|they)(?:'ll| will| would| may| might)?(?: (?:also|just|only|usually|then))* (?:need|take|want|require|cook)s?\b|then\b)",
    re.I,
)
_STILL_AT_PRESSURE = lazy(r"\b(?:(?:natural|quick)(?:ly)?|release[sd]?|pressure|npr|qr|whistles?)\b", re.I)
_OF_PRESSURE = lazy(r"pressure|multi|presi[óo]n|express|autocuiseur|cocotte|dampfkoch|schnellkoch|snelkook", re.I)
_A_SENTENCE = lazy(r"(?:[^.;!?\n]|\.(?=\d))+[.;!?]*[ \t]*|\n")
# ", or 6 minutes in a pressure cooker", "; in a rice cooker 35 minutes"
_AT_THE_END = quick(
    rf"[ \t]{{0,3}}[,;–—]?[ \t]{{0,3}}\bor (?:about |for |only |just )*{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?|whistles?)\.? (?:in|on|with|over|using) {_ANY}{_SORT}(?:{_COOKER}|{_HOB})\b[^.;!?,()\d]{{0,30}}"
    rf"|[ \t]{{0,3}}[,–—][ \t]{{0,3}}(?:or )?(?:in|with|using) {_ANY}{_SORT}{_COOKER},? (?:it takes |allow |about |only |just |for )*{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?|whistles?)\b\.?(?=[^\w]|$)(?![ \t]+[a-z])",
    re.I,
)
_OR_BAKE = quick(
    rf"[ \t]{{0,3}}[,;]?[ \t]{{0,3}}\bor (?:else )?(?:bake|simmer|roast|boil|braise|cook (?:it )?in the oven)(?: it)?(?:,? covered,?)? [^.;!?,()\d]{{0,20}}(?:\d{{2,3}} ?°? ?[CF]?\b)?,?(?: for)?(?: about)? ?{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?)\b",
    re.I,
)
_IN_BRACKETS = lazy(r"[ \t]{0,3}\((?P<in>[^()\n]{3,120})\)")
# "(or 20 if your burner does not go very low)", "(15 unsoaked)"
_SO_MANY_WHERE = quick(
    rf"(?:or |about |only |just |up to )*{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?|whistles?)?\.? ?(?:more |longer |less )?(?:(?:if|when|in|on|with|without|using)\b[^.;!?\d]{{0,30}}(?:{_COOKER}|{_HOB}|\bthe oven|\blid|\bburner|\bstove|soak))",
    re.I,
)


# "(or bake, covered, at 350 for 1 hour)"
_OR_COOK_IT = lazy(
    r"or (?:else )?(?:simmer|cook|bake|boil|steam|roast|braise|microwave)\b[^()\d]{0,40}\d[^()]{0,40}\b(?:min|hour|hr)",
    re.I,
)


@lru_cache(maxsize=2048)
def of_other_ways(text: str) -> tuple[tuple[int, int], ...]:
    """Where a step speaks of another stove, another pot or an unsoaked grain, with what it then takes: brackets, sentences, ends of sentences. True of it only
    where the recipe's own way was told before."""
    out, plain = [], text
    for m in _IN_BRACKETS.finditer(text):
        inner = m["in"]
        if (
            _SO_MANY_WHERE.match(inner)
            or _OR_COOK_IT.match(inner)
            or (_SAYS_HOW_LONG.search(inner) and _begins_aside(inner, bracket=True))
        ):
            out.append(m.span())
        plain = plain[: m.start("in")] + "_" * len(inner) + plain[m.end("in") :]
    goes_on = pressed = asked = False
    waits: int | None = None
    for m in _A_SENTENCE.finditer(plain):
        said = m[0]
        if not said.strip():
            continue
        if goes_on and (
            (asked and _SAYS_HOW_LONG.search(said))
            or (pressed and _STILL_AT_PRESSURE.search(said))
            or _TAKES_THEN.match(said)
        ):
            if waits is not None and _SAYS_HOW_LONG.search(said):
                out.append((waits, m.end()))
                waits = None
            elif waits is None:
                # one with the sentence it goes on from
                out[-1] = (out[-1][0], m.end())
            asked = False
            continue
        goes_on = begins = _begins_aside(said)
        waits = None
        if begins:
            pressed, asked = bool(_OF_PRESSURE.search(said)), said.rstrip().endswith("?")
            if _SAYS_HOW_LONG.search(said):
                out.append(m.span())
            else:
                waits = m.start()
    ends = [m.span() for m in _AT_THE_END.finditer(plain)]
    # "simmer 90 minutes, or bake at 160C for 2 hours": behind other minutes of its sentence
    ends += [
        m.span()
        for m in _OR_BAKE.finditer(plain)
        if _SAYS_HOW_LONG.search(plain, max(plain.rfind(x, 0, m.start()) for x in ".;!?\n") + 1, m.start())
    ]
    out += [(a, b) for a, b in ends if not any(a < y and x < b for x, y in out)]
    return tuple(sorted(out))


def _begins_aside(said: str, bracket: bool = False) -> bool:
    """Does a sentence, or what a bracket says behind the cooking, begin with another stove, pot, lid or soak, and speak of no other food's work?"""
    begins = any(p.match(said) for p in (_WHERE_ONE, _IF_IT_IS, _IF_SOAKED, _READY_MADE, _OTHER_POWER))
    # "Parboil 5 minutes. In a rice cooker cook 20 minutes more": the second half of one cooking
    begins = begins or bool((m := _IN_ONE.match(said)) and (m["hob"] or not _GOES_ON.search(said)))
    if not begins or _OTHER_WORK.search(said):
        return False
    # "In the microwave melt the butter", "If the beans were not soaked": another's
    foods = ("FRY",) if bracket or _ALL_OF_IT.search(said) else ("FRY", "PULSE", "VEG", "MEAT", "SAUCE")
    own = _BROWN_RICE.sub(" ", said)
    return not any(CLASS[k].search(own) for k in foods)


_BROWN_RICE = lazy(r"\bbrown(?= (?:rice|basmati|jasmine|grains?)\b)", re.I)
_ALL_OF_IT = lazy(r"\b(?:everything|all (?:of )?(?:it|the ingredients)|it all)\b", re.I)
_OTHER_WORK = lazy(
    r"\b(?:butter|ghee|oil|cheese|chocolate|nuts?|almonds?|bread|rolls?|naan|papad\w*|tortillas?|plates?|bowls?|melt\w*|warm\w*|thaw\w*|defrost\w*|re-?heat\w*|crisp\w*|grill\w*|left-?overs?)\b",
    re.I,
)
_GOES_ON = lazy(r"\b(?:another|(?:an? )?further|more)\b(?! (?:water|stock|broth|liquid))", re.I)


# a cooker that minds itself tells no minutes
_MINDS_ITSELF = lazy(
    r"\b(?:press|push|hit)\w* (?:the )?(?:start|cook|button|switch)|\bswitch (?:it )?on\b|\bclicks?\b|\bcook(?:ing)? (?:button|cycle|setting|programme?)\b",
    re.I,
)


def other_ways_told(
    texts: Sequence[str], stretches: Iterable[tuple[int, int, str]]
) -> list[tuple[tuple[int, int], ...]]:
    """For each step the places of what it tells of another way: behind the grain's own minutes at the heat, or its rest in a cooker that minds itself.

    stretches: (step, place, kind) of all minutes, in order.
    """
    for n, at, kind in stretches:
        minded = kind in ("rest", "release") and _MINDS_ITSELF.search("\n".join([*texts[:n], texts[n][:at]]))
        if kind in ("heat", "whistles") or minded:
            return [
                tuple((a, b) for a, b in of_other_ways(t) if (i, a) > (n, at)) if i >= n else ()
                for i, t in enumerate(texts)
            ]
    return [() for _ in texts]
