"""What a text tells of another pot, of another rice or for another taste: amounts and minutes that are not this pot's."""

from __future__ import annotations

import re
from functools import lru_cache

from ..grains import grain
from ..measures import RANGE_PATTERN, UNIT_PATTERN
from ..quick import found_in, lazy, quick
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
    r"(?:^|(?<=[.;!?]\s)|(?<=\n))\W*(?:if (?:you |you're |you are |i )?(?:doubl\w+|halv\w+|tripl\w+|mak(?:e|ing) (?:more|double|twice|half)|want to (?:double|halve))|(?:for|to make) (?:a )?(?:double|twice|half|bigger|larger) (?:the |a |this )?(?:batch|recipe|quantit\w+|amounts?|pot|crowd)\b|to (?:double|halve) (?:it|this|the (?:recipe|batch|quantit\w+|amounts?))\b|doubl(?:e|ing) (?:it|up)\b"
    # "For mushier rice add 3 cups water.", "If you like it softer, cook 18 minutes."
    rf"|(?:for|if (?:you|u|ya) (?:like|want|prefer|need)) (?:an? |it |them |your |the |rice |grains? )*(?:a (?:bit|little) )?{_OF_A_GRAIN}\b)"
    r"(?:[^.;!?\n]|\.(?=\d)){0,160}(?:[.;!?]+|$)"
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
    rf"\s{{0,3}}\((?:or |use |but )?(?:{RANGE_PATTERN})\b[^()]{{0,30}}\b(?:if|for|with|when)\b[^()]{{0,24}}\b(?:old(?:er)?|new|aged|brown|wild|parboiled|basmati|jasmine|other|whole[- ]?grain)\b[^()]{{0,16}}\)"
    # "simmer 45 min (barley: 1 hour)"
    rf"|\s{{0,3}}\((?:for )?(?:{OTHER_GRAINS}|(?:old|new|brown|white|wild|red|black|basmati|jasmine|par-?boiled|easy[- ]cook)(?: rice)?)(?::| takes| needs|,)? (?:about |abt |~ ?)?{RANGE_PATTERN}\s*-?\s*(?:{UNIT_PATTERN}|min\w*|hours?|hrs?)\b[^()\n]{{0,20}}\)"
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
    return [*another_batch(text), *(m.span() for p in (OF_ANOTHER, AS_LIKED) for m in found_in(p, text))]


# "For brown rice use 750 ml and cook 40 minutes."
_FOR_A_SORT = quick(
    r"(?:^|(?<=[.;!?]\s)|(?<=\n))(?:for|with|if (?:you(?:'re| are)? )?us(?:e|ing)|when using|using) (?P<sort>[^.;!?,:\d]{3,40})(?:[^.;!?]|\.(?=\d)){0,200}(?:[.;!?]+\s*|$)",
    re.I,
)


def for_another_sort(text: str, slug: str, told: bool) -> list[tuple[int, int]]:
    """Sentences with the amounts or the minutes of a sort of rice that this recipe does not cook. told: does the recipe say which rice it is? Where it only says
    rice, no white rice is another."""
    out = []
    for m in _FOR_A_SORT.finditer(text):
        named = find_grains(m["sort"])
        others = {f.slug for f in named if not f.generic}
        plain = not told and not any(grain(s).whole for s in others)
        if others and slug not in others and not plain and _AN_AMOUNT.search(m[0]):
            out.append(m.span())
    return out


def without_others(text: str) -> str:
    """The text with that blanked, every other letter in its place."""
    for a, b in for_another(text):
        text = text[:a] + " " * (b - a) + text[b:]
    return text
