"""What a text tells of another pot, of another rice or for another taste: amounts and minutes that are not this pot's."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from functools import lru_cache

from ..grains import grain
from ..measures import RANGE_PATTERN, UNIT_PATTERN, number_range
from ..quick import found_in, lazy, quick
from ..recipe import Line
from .names import OTHER_GRAINS, find_grains

# how somebody else likes it, and what it is then
OTHERWISE = (
    r"(?:softer|mush(?:y|ier)|firmer|stickier|drier|thicker|thinner|looser|creamier|wetter|soupier|runnier|chewier)"
)
LIKED = r"(?:soft|firm|separate|fluff\w*|loose|thick|thin|runny|creamy|sticky|dry|moist\w*|wet|al dente|chewy)"
# said of a grain alone: a sauce may be thicker, and the flour for that is nobody else's
_OF_A_GRAIN = r"(?:softer|mush(?:y|ier)|firmer|stickier|drier|chewier)(?! (?:sauce|soup|gravy|broth|filling|topping|crust|meat|chicken|tofu|vegetables?)\b)"
# "If you double it use 2 cups rice and 2 3/4 water, not 3."
_ANOTHER_BATCH = quick(
    r"(?:^|(?<=[.;!?]\s)|(?<=\n))[^\w\n]{0,8}(?:if (?:you |you're |you are |i )?(?:doubl\w+|halv\w+|tripl\w+|mak(?:e|ing) (?:more|double|twice|half)|want to (?:double|halve))|(?:for|to make) (?:a )?(?:double|twice|half|bigger|larger) (?:the |a |this )?(?:batch|recipe|quantit\w+|amounts?|pot|crowd)\b|to (?:double|halve) (?:it|this|the (?:recipe|batch|quantit\w+|amounts?))\b|doubl(?:e|ing) (?:it|up)\b|(?:doubled|halved|tripled),? (?:it|this|they)\b"
    # "For mushier rice add 3 cups water.", "If you like it softer, cook 18 minutes."
    rf"|(?:for|if (?:you|u|ya) (?:like|want|prefer|need)) (?:an? |it |them |your |the |rice |grains? )*(?:a (?:bit|little) )?{_OF_A_GRAIN}\b)"
    r"(?:[^.;!?\n]|\.(?=\d)){0,160}(?:[.;!?]+|$)"
    # "150 g (300 g for 4 people)", "(half recipe: 1 cup rice, 1 1/2 cups stock)", "(double for 8)"
    rf"|\s{{0,3}}\((?:or |use )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?(?: [^\W\d]+){{0,2}} (?:for|to serve|to feed) (?:\d{{1,2}}|two|four|six|eight)(?: (?:people|persons?|servings?|portions?|of us))?\)"
    r"|\s{0,3}\((?:(?:for )?(?:an? |the )?(?:half|double|single|smaller|bigger|larger)(?: (?:the |a )?(?:recipe|batch|quantit\w+|amounts?)\b[:,=]?|:| for \d{1,2}\b))[^()\n]{0,90}\)"
    # "At high altitude add 1/4 cup water and cook 5 minutes longer.", "In a wide pan you will need 450 ml."
    r"|(?:^|(?<=[.;!?]\s)|(?<=\n)|\()[^\w\n]{0,8}(?:(?:at|for|in) (?:high(?:er)?[- ]altitudes?|(?:the )?mountains)|(?:if (?:you )?(?:live |are |cook(?:ing)? )?|when (?:you )?(?:live |are |cook(?:ing)? )?)?(?:above|over|at) (?:about )?\d{1,2}[,. ]?\d{3} ?(?:feet|ft|metres|meters|m)\b"
    r"|(?:in|with|for) an? (?:wide|wider|large|larger|big|bigger|small|smaller|narrow|deep|shallow|thin|non-?stick)[^\W\d]* (?:pan|pot|saucepan|dish),? (?:you(?:'ll| will| may| might)? (?:need|want)|it (?:needs|takes|wants))(?=[^.;!?]{0,30}\b(?:water|stock|broth|liquid|more|less|longer)\b))\b"
    r"(?:[^.;!?\n()]|\.(?=\d)|\([^()\n]{0,40}\)){0,160}(?:[.;!?)]+|$)"
    # "3 cups water (3 1/2 if you skip the soak)", "12 minutes (15 unsoaked)"
    rf"|\s{{0,3}}\((?:or |use |about )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}|min\w*)?\.?\s*(?:(?:if|when|without)\b[^()\d]{{0,24}}\b(?:un)?soak\w*|(?:un)?soaked)[^()\d]{{0,16}}\)"
    # "15 minutes, or 18 minutes if you like it soft"
    rf"|,? or {RANGE_PATTERN}\s*(?:{UNIT_PATTERN}|min\w*)?\.?\s*if (?:you|u|ya) (?:like|want|prefer) (?:it |them |your |the |rice |grains? )*(?:a (?:bit|little) )?(?:{OTHERWISE}|{LIKED})\b",
    re.I,
)
_AN_AMOUNT = lazy(r"\d|[½¼¾⅓⅔]|\b(?:two|three|four|six) (?:cups?|glass\w*|mugs?)\b")


@lru_cache(maxsize=2048)
def another_batch(text: str) -> tuple[tuple[int, int], ...]:
    """What gives the amounts of a bigger or smaller pot, or those of who likes it otherwise."""
    return tuple(m.span() for m in _ANOTHER_BATCH.finditer(text) if _AN_AMOUNT.search(m[0]))


# "one and a half cups of water (two if it's old rice)": a bracket that tells the amount of another rice
OF_ANOTHER = lazy(
    rf"\s{{0,3}}\((?:(?:or|use|but|add|plus|take) )?(?:{RANGE_PATTERN})\b[^()]{{0,30}}\b(?:if|for|with|when)\b[^()]{{0,24}}\b(?:old(?:er)?|new|aged|brown|wild|parboiled|basmati|jasmine|other|whole[- ]?grain)\b[^()]{{0,16}}\)"
    # "simmer 45 min (barley: 1 hour)"
    rf"|\s{{0,3}}\((?:for )?(?:{OTHER_GRAINS}|(?:old|new|brown|white|wild|red|black|basmati|jasmine|par-?boiled|easy[- ]cook)(?: rice)?)(?::| takes| needs|,)? (?:about |abt |~ ?)?{RANGE_PATTERN}\s*-?\s*(?:{UNIT_PATTERN}|min\w*|hours?|hrs?)\b[^()\n]{{0,20}}\)"
    # "1 cup raw rice (old rice; for new rice use 1/4 cup less water)"
    r"|\s{0,3}\((?:[^()\d]{0,30}[;,] ?)?(?:for|if|with) (?:it'?s |you have |using )?(?:old|new|aged) rice\b[^()]{0,60}\)"
    # "two cups always, unless it's that old basmati, then two and a half"
    r"|,? (?:unless|except (?:if|when|for))\b[^.;!?()\d]{0,24}\b(?:old(?:er)?|new|aged|brown|wild|par-?boiled|basmati|jasmine|whole[- ]?grain)\b[^.;!?()\n]{0,70}"
    # "2 cups water, or 2½ cups for old rice", "2 cups water, 2½ cups for brown rice"
    rf"|(?:,? or|[,;/]) {RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?\s*(?:if|for|with|when)\b(?: [^\W\d]+){{0,3}}? (?:old(?:er)?|new(?:er)?|aged|brown|par-?boiled|basmati|jasmine|whole[- ]?grain) rice\b",
    re.I,
)
# "(2¼ if you like it soft)", "(use 3 cups for a softer one)", "(18 if you like it softer)"
AS_LIKED = quick(
    rf"\s{{0,3}}\((?:or |use |add |take |up to )*(?:about |abt )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}|min\w*)?\.?\s*(?:if|for|when)\b(?: [^\W\d]+){{0,4}}? (?:like|prefer|{OTHERWISE}|{LIKED})\b[^()\d]{{0,24}}\)"
    rf"|\s{{0,3}}\(for (?:an? )?(?:{OTHERWISE}|{LIKED}) [a-z]+,? (?:use |add |take )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN}|min\w*)?\.?(?: more)?\)",
    re.I,
)


def for_another(text: str) -> list[tuple[int, int]]:
    """Where a text tells another amount, or other minutes, for another rice or for who likes it otherwise: true of the rice they were told of."""
    liked = [m.span() for p in (OF_ANOTHER, AS_LIKED) for m in found_in(p, text)]
    return [*another_batch(text), *liked, *_aside_of(text)]


def _aside_of(text: str) -> list[tuple[int, int]]:
    """ "white rice (brown works too but takes longer)": brackets on another grain than the one named before them in their line."""
    out = []
    for m in _BRACKET.finditer(text):
        line = text.rfind("\n", 0, m.start()) + 1
        named = next(iter(find_grains(text[line : m.start()])), None)
        if named and _bracket_is_anothers(m["in"], frozenset({named.slug}), not named.generic):
            out.append(m.span())
    return out


# "For brown rice use 750 ml", "If you only have quinoa, …"; "for the brown rice" is one that the recipe has
_LEADS = (
    r"(?:\b(?:for|with|when(?: you(?:'re| are)?)? (?:us(?:e|ing)|cook(?:ing)?|making)|using|in case of"
    r"|if(?: (?:you(?:'re| are)?|u|ya|i|it'?s|its|it is))?(?: (?:only |rather |prefer to |want to |choose to )?(?:us(?:e|ing)|have|had|cook(?:ing)?|mak(?:e|ing)(?: (?:it|this))?(?: with)?|prefer|want|choose|take|like|got|swap(?:ping)? in|made with))?"
    # as other tongues say it
    r"|si (?:usas|us[áa]is|se usa|usa|utiliza\w*|es|lo haces con|vous (?:utilisez|prenez|avez)|tu (?:utilises|prends|as)|c'est)|s'il s'agit d[eu]|para|con|pour|avec|bei|für|mit|(?:wenn|falls) (?:du|man|ihr|sie)"
    r"|se (?:usi|usate|utilizzi|si usa|è)|per|voor|bij|met|als je)"
    r"(?: (?:an?|some|your own|plain|ordinary|regular|normal|raw|uncooked|instead|say|cups? of|el|un|du|de|del|il|lo|le|den|das|einen?|einem))*)"
)
_SO_OR_SO = r"[^\w\n]{0,8}(?:(?:and|but|or|so|ok|also|note|n\.?b\.?|tip|p\.?s\.?|swaps?|variations?|options?|alternatives?|substitut\w+)\b[:,]?\s*)*"
_LED = lazy(rf"{_SO_OR_SO}{_LEADS}\s+", re.I)
# … "and brown?"
_ONLY_SUCH = lazy(
    rf"{_SO_OR_SO}(?:with |for |what about |how about )?(?:il |lo |el |le |der |das |den |het |de )?", re.I
)
_NEEDS = lazy(
    r"(?: rice| grains?)?\s*(?:(?:will|would|may|might|can|usually|often|generally|always|rice|just|i) )*(?:(?:need|take|want|require|get|drink|cook|use)s?\b|took|needed|wanted|braucht|benötigt|heeft(?= [^.;]{0,14}\d)|behöver|trenger|kræver|necesita|lleva|tarda|demande|nécessite|prend|vuole|richiede|[:=–-] ?(?=\D{0,12}\d)|(?= (?:about |abt )?\d))",
    re.I,
)
_TOO = lazy(
    r"[^,.;!?\d]{0,24}\b(?:works?|is (?:good|fine|nice|great|lovely|ok|okay)|(?:can|could|may) (?:also )?be used|(?:takes?|needs?|wants?|cooks?) (?:longer|more|less|quicker|faster|slower))\b",
    re.I,
)
# "Bei Naturreis verdoppelt sich die Garzeit."
_SO_MUCH_MORE = lazy(
    r"\b(?:doubl\w+|twice|longer|shorter|verdoppel\w*|doppelt\w*|länger|doble|el doble|más tiempo|deux fois|plus longtemps|il doppio|più (?:a lungo|tempo)|dubbel\w*|langer)\b",
    re.I,
)
_IS_ASKED = lazy(r"\W*\?+\W*$")
_OR_TAKE = lazy(
    rf"{_SO_OR_SO}(?:(?:you|u|i|we) )?(?:(?:can|could|may|might|sometimes|also) )*(?:also |just |even )?(?:feel free to |try )?(?:use|using|make (?:it|this) with|cook|swap|substitute|replace)\b(?: (?:in|it|this|the rice|rice|with|for|by|an?|some))* $",
    re.I,
)
_ALSO = lazy(
    r"\b(?:can|could|may|might|also|feel free|try|swap|substitute|replace|instead|too|if you (?:like|prefer|want))\b",
    re.I,
)
# what follows on it: "It needs 45 minutes.", "in that case …", "; increase the water to 3 cups"
_IT_NEEDS = lazy(
    r"\W*(?:(?:it|that|this|these|they|those)(?:'ll| will| would| may| might)?(?: (?:also|just|usually|probably))* (?:(?:need|take|want|require|cook|drink)s?|took|needed)\b|in (?:that|which|this) case\b|then (?:you(?:'ll)? )?need\b)",
    re.I,
)
_SO_THEN = lazy(
    r"\W*(?:just |then |simply |so |you(?:'ll)? (?:need|have) to )*(?:increas\w+|add|us(?:e|ing)|cook\w*|simmer|bake|boil|allow|give|adjust|up|reduce|extend)\b",
    re.I,
)
_BEHIND = lazy(
    r"\b(?:for|if|when|in case of)\b(?:(?<=for)|[^,.;:!?()\d]{0,24}?)(?: (?:an?|some|plain|ordinary|regular|normal))*\s+$",
    re.I,
)
_ITS_AMOUNT = rf"(?:or |but |use |add |and |about |abt |up to |another |an? (?:extra|further|additional) |an? )*(?:{RANGE_PATTERN}|half an? |an? (?:hour|half))"
_FROM_HERE = quick(rf"(?:^|,|;|(?<!\d)/|\s[-–—]|(?<!, )\b(?:or|and)\b)\s*(?={_ITS_AMOUNT})", re.I)
_SO_MUCH_FOR = lazy(
    rf"{_ITS_AMOUNT}\s*-?\s*(?:{UNIT_PATTERN}|min\w*|hours?|hrs?)?\.?(?: [^\W\d]+)? (?:for|if|when)\b[^,.;:!?()\d]{{0,24}}$",
    re.I,
)
_AND_MORE = lazy(r"(?: rice)?[,;]?\s*(?:(?:and|or|but) )?", re.I)
_SO_LONG = lazy(rf"(?: rice)?:? (?:about |abt |~ ?)?{RANGE_PATTERN}\s*(?:min\w*|hours?|hrs?)\b\.?", re.I)
_JOINS = lazy(r"(?:[,;/]|\band\b|\bor\b)\s*(?:and |or )?$", re.I)
_ONLY_ADDS = lazy(
    r"\W*(?:(?:and|but|or|then|also|you(?:'ll)?(?: will| may)? need|allow|give(?: it)?|it takes|takes|needs?)\s)*(?:add|use|(?:increase|raise|extend|up|reduce|adjust)(?: the (?:[^\W\d]+ ){1,2}(?:to|by))?|allow|give|plan|count|reckon|take)?\W*$",
    re.I,
)
_BRACKET = lazy(r"\s{0,3}\((?P<in>[^()\n]{3,120})\)")
_SENTENCE = lazy(r"(?:[^.;!?\n]|\.(?=\d))+[.;!?]*[ \t]*|\n")
# "brown needs 4 cups", "40 for brown", "if it's brown", "and brown?"; "add the onion and brown 5 minutes" is none
_COLOUR = lazy(
    r"(?:(?:^|[.;!?,(]\s?|\b(?:and|but|or|the) )(?P<a>brown|white|wild|red|black)\b(?= (?:needs?|takes?|wants?) )"
    r"|\b(?:for|if (?:it'?s|it is|using|you(?:'re)? us(?:e|ing)|you have)|when (?:you )?us(?:e|ing)) (?P<b>brown|white|wild|red|black)\b(?=\s*(?:[,.;:)?]|$)|\s(?:and|or|use|add|take)\b)"
    r"|\b(?:and|what about|how about) (?P<c>brown|white|wild|red|black)\s?(?=\?))",
    re.I,
)
_IF = lazy(r"\b(?:if|when(?: you)? us(?:e|ing)|wenn|falls|si|se|als)\b", re.I)
_WHITE = ("rice-white-long", "rice-white-medium", "rice-white-short")


def own_sorts(lines: Sequence[Line], source: Line) -> tuple[frozenset[str], bool]:
    """The grains of a recipe, of which nothing is another's, and whether it says which rice its own is."""
    return frozenset(ln.grain for ln in lines if ln.grain), source.kind != "generic rice" or source.grain not in _WHITE


def _is_another(slug: str, said: str, own: frozenset[str], told: bool) -> bool:
    """Is a grain that is named none of the recipe's own? said: by which words."""
    if slug in own:
        return False
    said = said.lower()
    if not grain(slug).whole and grain(slug).family == "rice":
        # where the recipe only says rice, no white rice is another; "white" and "long grain" are what many a rice is
        white = any(grain(s).family == "rice" and not grain(s).whole for s in own)
        return not white if slug in _WHITE else told
    colour = next((c for c in ("brown", "red", "black") if c in said), None)
    return not (colour and any(colour in s for s in own))


def _named_in(text: str, own: frozenset[str], told: bool) -> tuple[list[tuple[int, int]], list[tuple[int, int]]]:
    """Where another's names stand, and the recipe's own."""
    # who says "if you use basmati" speaks of another, where the recipe only says rice
    told = told or bool(_IF.search(text))
    others: list[tuple[int, int]] = []
    mine: list[tuple[int, int]] = []
    for f in find_grains(text):
        place = (f.span.start, f.span.end)
        if f.generic and "white" not in f.text.lower():
            continue
        (others if _is_another(f.slug, f.text, own, told) else mine).append(place)
    taken = [*others, *mine]
    for m in _COLOUR.finditer(text):
        which = m.lastgroup or "a"
        start, end = m.span(which)
        if not any(a < end and start < b for a, b in taken):
            found = find_grains(f"{m[which]} rice")
            if found and _is_another(found[0].slug, found[0].text, own, told):
                others.append((start, end))
    return sorted(others), mine


@lru_cache(maxsize=4096)
def of_other_sorts(text: str, own: frozenset[str], told: bool) -> tuple[tuple[int, int], ...]:
    """Where a text speaks of a rice, or another grain, that this recipe does not cook: sentences ("For brown rice use 750 ml and cook 40 minutes."), brackets
    ("(40 if it's brown)") and ends of a sentence (", or 45 minutes for brown rice").

    own: the grains of the recipe. told: does it say which rice it is? Where it only says rice, no white rice is another.
    """
    if not own or not _named_in(text, own, told)[0]:
        return ()
    out: list[tuple[int, int]] = []
    plain = text
    for m in _BRACKET.finditer(text):
        if _bracket_is_anothers(m["in"], own, told):
            out.append(m.span())
        else:
            inner, _ = _named_in(m["in"], own, told)
            out += [(m.start("in") + a, m.start("in") + b) for a, b in _ends_of_others(m["in"], inner)]
        plain = plain[: m.start("in") - 1] + "_" * (m.end("in") - m.start("in") + 2) + plain[m.end("in") + 1 :]
    goes_on = followed = False
    for m in _SENTENCE.finditer(plain):
        others, mine = _named_in(m[0], own, told)
        whole = bool(others) and not mine and _sentence_is_anothers(m[0], others)
        whole = whole or (not mine and goes_on and bool(_IT_NEEDS.match(m[0]) or (followed and _SO_THEN.match(m[0]))))
        if whole:
            out.append(m.span())
        elif others:
            out += [(m.start() + a, m.start() + b) for a, b in _ends_of_others(m[0], others)]
        goes_on = whole or (goes_on and not m[0].strip())
        followed = m[0].rstrip().endswith(";")
    return tuple(sorted(out))


def _bracket_is_anothers(said: str, own: frozenset[str], told: bool) -> bool:
    others, mine = _named_in(said, own, told)
    return bool(
        others
        and not mine
        and (
            _LED.fullmatch(said, 0, others[0][0])
            or _ONLY_SUCH.fullmatch(said, 0, others[0][0])
            and (
                _TOO.match(said, others[0][1])
                or (_NEEDS.match(said, others[0][1]) and _AN_AMOUNT.search(said, others[0][1]))
            )
            or any(_BEHIND.search(said[:a]) for a, _ in others)
            and _AN_AMOUNT.search(said)
        )
    )


def _sentence_is_anothers(said: str, others: list[tuple[int, int]]) -> bool:
    start, end = others[0]
    amount = _AN_AMOUNT.search(said)
    if led := _LED.fullmatch(said, 0, start):
        # "With brown rice in the pot …" tells no amount, and is none of another's; "if you use brown rice, soak it first" is
        return bool(amount or _SO_MUCH_MORE.search(said) or re.search(r"\b(?:if|when)\b", led[0], re.I))
    so_it_is = _TOO.match(said, end) or (amount and _NEEDS.match(said, end)) or _IS_ASKED.match(said, end)
    if so_it_is and _ONLY_SUCH.fullmatch(said, 0, start):
        return True
    return bool(_OR_TAKE.fullmatch(said, 0, start) and _ALSO.search(said))


def _ends_of_others(said: str, others: list[tuple[int, int]]) -> list[tuple[int, int]]:
    """ "simmer 20 minutes, or 45 for brown rice": from its amount to its name, with what joins it; the whole sentence if nothing else is told in it."""
    out: list[tuple[int, int]] = []
    for start, end in others:
        before = said[:start]
        takes = _SO_LONG.match(said, end)
        if takes and (joins := _JOINS.search(before)):
            # "rice 40 minutes, quinoa 15 minutes"
            out.append((joins.start(), takes.end()))
            continue
        if not (behind := _BEHIND.search(before)):
            continue
        reached = out[-1][1] if out else 0
        begins = [m.start() for m in _FROM_HERE.finditer(before, reached, behind.start())]
        if begins:
            a, b = begins[-1], end
            # "40 minutes and 2 cups water if you use brown rice"
            while len(begins) > 1 and re.match(r"\s*and\b", said[begins[-1] :], re.I):
                begins.pop()
                a = begins[-1]
            out.append((a, b + 5 if said[b : b + 5].lower() == " rice" else b))
        elif (m := _SO_MUCH_FOR.search(before)) and _AN_AMOUNT.search(said, end):
            # "40 minutes for brown rice, 15 for white"
            then = _AND_MORE.match(said, end)
            out.append((m.start(), then.end() if then else end))
        elif not reached and (m := re.search(_ITS_AMOUNT, before, re.I)) and _ONLY_ADDS.match(before[: m.start()]):
            return [(0, len(said))]
    if out and _ONLY_ADDS.fullmatch(said[: out[0][0]]) and re.fullmatch(r"\W*", said[out[-1][1] :]):
        return [(0, len(said))]
    return out


# "If you're using boneless thighs, 12 minutes is enough.", "breasts need only 25", "(25 minutes for bone-in pieces)"
_IT_AND_SO = r"(?:(?:it|they|that|them|cook|bake|simmer|allow|give|takes?|needs?|wants?|only|just|about|around|for|will|may|the|reckon|cooking|time|is|should|be)\s+)*"
_SAYS_MINUTES = quick(
    rf"(?:^|(?<=[.;!?]\s)|(?<=\n))(?:(?:and|but|or|note:?|tip:?)\s+)?(?:(?:if|when us(?:e|ing)|using|with|for) [^.;!?()\d\n]{{3,60}}?[,:]?\s+{_IT_AND_SO}"
    # "The chicken needs 20 minutes" stays: nobody else says so
    rf"|(?:(?:the|your) )?(?:[^\W\d]+ )?(?:bone-?in|boneless|frozen|dried|tinned|canned|thicker|thinner|larger?|small(?:er)?|bigger|breasts?|fillets?)\b[^.;:!?(),\d\n]{{0,30}}? (?:(?:will|may|might|only|just) )*(?:need|take|want|require)s?(?: (?:only|just|about|around))*\s+)"
    rf"(?P<n>{RANGE_PATTERN})\s*(?:min(?:ute)?s?\b)?(?:\s*(?:(?:is|are|will|should|may)(?: be)?\s+)?(?:enough|plenty|do|fine))?\s*(?:[.;!]+[ \t]?|$)"
    rf"|\s{{0,3}}\((?:or |about |only )*{RANGE_PATTERN}\s*min(?:ute)?s? (?:for|if|with|when|using) [^()\d]{{3,40}}\)"
    # "(a cast-iron pot may want 20)"
    rf"|\s{{0,3}}\((?!it |this )[^()\d,;]{{3,40}} (?:(?:will|may|might|can|only|just|about) )*(?:need|want|take)s? (?:(?:only|just|about|around|up to) )*{RANGE_PATTERN}(?: ?min(?:ute)?s?)?\)",
    re.I,
)


def minutes_of_things(text: str) -> list[tuple[int, int]]:
    """Sentences and brackets that say nothing but how long another thing takes in the same pot: true only as long as the grain takes what it took."""
    return [
        m.span()
        for m in found_in(_SAYS_MINUTES, text)
        # "The peppers need 2."
        if not _ONE_MORE.search(m[0]) and (not m["n"] or "min" in m[0] or number_range(m["n"])[0] >= LEAST_BARE)
    ]


# a number that no unit follows is one of minutes from here on
LEAST_BARE = 8
_ONE_MORE = lazy(r"\b(?:more|longer|extra|less|shorter|add|after|before|soak\w*)\b", re.I)


def without_others(text: str) -> str:
    """The text with that blanked."""
    return blanked(text, for_another(text))


def blanked(text: str, places: Iterable[tuple[int, int]]) -> str:
    """The text with blanks at these places, every other letter where it was."""
    for a, b in places:
        text = text[:a] + " " * (b - a) + text[b:]
    return text
