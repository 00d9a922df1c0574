"""What a line of the list offers instead of what it names: the first thing named is the recipe's, and what stands behind an "or" measures nothing of it.

    1½ cups basmati rice (or 4 cups cooked rice)          the pot holds 1½ cups, uncooked
    600 ml stock, 700 if you use a wide pan               600 ml
    300 g basmati, or brown basmati if you have time      basmati

"200 g or 1 cup", "1 cup (or 185 g)" say one amount twice, "chicken or vegetable stock" is one thing: there is nothing before the "or" that could stand alone.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from functools import lru_cache
from itertools import islice

from ..measures import RANGE_PATTERN, UNIT_PATTERN
from ..quick import found_in, lazy, quick
from .names import find_grains, kind_of_rice
from .otherwise import blanked

# what follows an "or" that offers nothing else
_NO_OTHER = (
    r"(?:overnight\b|not\b|cold\b|warm\b|hot\b|raw\b|frozen\b|fresh\b|loose\b|un(?:washed|rinsed|cooked|soaked)\b|longer\b|(?:at least )?(?:\d+|a few|several|an?|one|two) (?:min\w*|hours?|hrs?|days?|nights?|weeks?)\b"
    r"|so\b|more\b|less\b|to taste|as (?:needed|required|much|many|directed|desired)|enough|until|till|just (?:enough|under|over)|thereabouts|however|how(?:ever)? much|any amount|according|depending|per\b|whatever"
    r"|(?:(?:a|just|even|slightly|maybe) )*(?:little|bit|touch|splash|dash|few|slightly)?\s?(?:more|less|longer|bigger|smaller)\b|two\b(?! (?:tins?|cans?|cups?|pouch|packets?|cubes?))|\d\s*(?:[,;).]|$))"
)
_OR = quick(
    rf"(?:(?:(?<=[\s(,;/–—-])|^)(?:or|oder|ou|eller|lub|albo|veya)|(?<=\()o|(?<=, )o|(?:(?<=\()|(?<=, ))of(?=[^()]{{1,60}}\b(?:rijst|gekookte?|bouillon|blik\w*|zakk?\w*)\b))\s+(?:else |alternatively |use |if you (?:prefer|like),? )?(?!{_NO_OTHER})",
    re.I,
)
_AMOUNT = rf"(?:(?:about|abt|approx\.?|some|another|use|~)\s*)*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?"
_LEADS = lazy(rf"{_AMOUNT}(?!\w)|(?:an?|half an?|the same|some|any|another|equal)\b", re.I)
_SO_MUCH = lazy(_AMOUNT, re.I)
_BETWEEN_AMOUNTS = lazy(r"(?:[\s,/()=.]|each\b)*", re.I)
# a name of its own before it, however short
_HAS_NAME = lazy(r"[^\W\d_]{3,}")
_UNITS = lazy(
    rf"(?<![^\W\d_])(?:{UNIT_PATTERN}|about|approx|around|either|heaped|level|scant|generous|large|small|medium|big|good|extra)(?![\w])\.?",
    re.I,
)
_PARTS = lazy(rf"\s*(?:[,;|•·]|\.(?=\s+[A-Z])|\s(?:\+|&|and|plus)\s+(?={RANGE_PATTERN}|an?\s))", re.I)
# what belongs to the other liquid: "or 500 ml water plus 2 tsp bouillon"
_MAKES_IT = lazy(
    r"[^,;]{0,24}\b(?:cubes?|bouillon|stock (?:pot|powder)|granules|powder|wine|salt|lemon juice|vinegar|paste)\b", re.I
)
# ", 700 if you use a wide pan", "(650 ml if it's old rice)"
_SO_MUCH_IF = lazy(
    rf"(?:\s*[,;]\s*|\s+[–—-]\s+|\s*[(\[]\s*)(?:(?:or|but|use|about|make it|up to) )*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?(?: (?:of it|in all|altogether|only|is enough|will do))? (?:if|when|unless|in case)\b[^,;()\[\]\d\n]{{3,70}}[)\]]?"
    # "600 ml stock. If using old rice 650 ml"
    rf"|\s*[.;]\s*(?:if|for|when)\b[^.;()\d\n]{{3,50}}?[,:]?\s(?:(?:use|take|make it|you need|then|about|only) )*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\b\.?[^.;()\d\n]{{0,20}}$"
    # "(if using old rice 650 ml)"
    rf"|\s*\((?:but |use )?(?:if|when|for)\b[^()\d\n]{{3,50}}?[,:]?\s(?:(?:use|take|make it|you need|then|about|only) )*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?(?: [^\W\d]+){{0,2}}\)",
    re.I,
)
_ADDS = lazy(r"\b(?:more|extra|another|add(?:itional)?|further|top|spare|taste|needed|necessary)\b", re.I)
# "(550 ml for gas)", "(400 ml in the pressure cooker)"
_ELSEWHERE = lazy(
    rf"\s*[(\[]\s*(?:or |but |use |about |only )*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.? (?:for|in|with|on) (?:an? |the |your )?(?:gas|electric|induction|pressure|rice|instant|multi|slow|microwave|oven|fan|stove|wide|narrow|small|large|big|thin|heavy|non-?stick|clay)\b[^()\[\]\n]{{0,40}}[)\]]",
    re.I,
)
# ", half of it stock if you like"
_HALF_OF_IT = lazy(r"\s*[,(]\s*(?:half|some|part|a third) (?:of )?(?:it|this|that|which|them)\b[^,()\n]*\)?", re.I)
# "– jasmine is fine too"
_ALSO_GOOD = lazy(
    r"(?:\s+[–—-]{1,2}\s+|\s*[,;(]\s*)(?:but |and )?(?P<also>[^\W\d][^,;()\n]{2,40}?) (?:(?:is|are|will be|would be|'s) (?:also )?(?:fine|good|ok|okay|great|lovely|nice|all right)|works?|will do|will work|does|do)\b[^,;()\n]*\)?",
    re.I,
)
# "– no stock? Water and a spoon of bouillon will do", "– any kind will do, even brown"
_TALK = lazy(
    r"(?:\s+[–—-]{1,2}\s+|\s*[,;(]\s*)(?:(?:but )?(?:no|not got|out of) [^?\n()]{2,30}\?|(?:if|when) you (?:have no|have not|haven't|don'?t have|can'?t (?:get|find))\b|any (?:kind|sort|type|rice|old rice) (?:will|does|works|is|you)\b"
    r"|even (?=[^()\n]{0,20}\b(?:brown|red|wild|black|quick|cooked|works?|will)\b))[^\n()]*\)?",
    re.I,
)
_OFFERS = lazy(
    r"\(\s*(?:(?:you |we |i )?(?:can |could |may |might |sometimes )*(?:also )?(?:substitute|sub|swap|replace)\b|(?:or )?(?:alternatively|instead)\b|(?:you |we |i )?(?:can|could|may|might) (?:also )?use\b)[^()\n]{3,120}\)",
    re.I,
)
# letters of a line in which another offer is looked for, and how many "or"s of it
MOST, MOST_ORS = 400, 6


@lru_cache(maxsize=4096)
def instead(line: str) -> tuple[tuple[int, int], ...]:
    """(where it begins, where it ends) of all that a line of the list offers instead, in order; none overlap.

    >>> [("300 g basmati rice (or jasmine)")[a:b] for a, b in instead("300 g basmati rice (or jasmine)")]
    [' (or jasmine)']
    """
    text = line[:MOST]
    out: list[tuple[int, int]] = []
    for a, b in sorted({*_behind_an_or(text), *_told_of(text)}):
        if out and a < out[-1][1]:
            out[-1] = (out[-1][0], max(out[-1][1], b))
        else:
            out.append((a, b))
    if out and (m := _EITHER.match(text)):
        out.insert(0, m.span())
    return tuple(out)


_EITHER = lazy(r"\s*either\s+", re.I)


def _told_of(text: str) -> Iterator[tuple[int, int]]:
    for p in (_SO_MUCH_IF, _ELSEWHERE, _HALF_OF_IT, _ALSO_GOOD, _TALK, _OFFERS):
        for m in found_in(p, text):
            a, b = m.span()
            opened = text[a:b].count("(") > text[a:b].count(")")
            # "(brown works, add 20 minutes)": to the end of its bracket
            b = shut + 1 if opened and (shut := text.find(")", b)) >= 0 else b
            if p is _SO_MUCH_IF and _ADDS.search(m[0]):
                continue
            if p is _ALSO_GOOD and all(f.generic for f in find_grains(text[:a])):
                # "rice (arborio works best)" says which
                continue
            if p is _ALSO_GOOD and not (find_grains(m["also"]) or kind_of_rice(m["also"])):
                continue
            if _names(text[: m.start()]):
                yield a, b


def _names(head: str) -> bool:
    """Is something named there, beside how much of it?"""
    return bool(_HAS_NAME.search(_UNITS.sub(" ", head)))


def _behind_an_or(text: str) -> Iterator[tuple[int, int]]:
    for m in islice(_OR.finditer(text), MOST_ORS):
        head = text[: m.start()]
        opened = sum(head.count(c) for c in "([") - sum(head.count(c) for c in ")]")
        begins = head.rstrip(" ,;–—-")
        bracket = opened > 0 and begins[-1:] in ("(", "[")
        if bracket:
            begins = begins[:-1].rstrip()
        end = _end(text, m.end(), opened)
        said = text[m.end() : end]
        if not _AN_AMOUNT.search(head) and (last := _LAST_AMOUNT.search(said)):
            # "Rice, Vialone or Arborio . 8 oz": so much of either
            end = m.end() + last.start()
            said = said[: last.start()]
        if _BETWEEN_AMOUNTS.fullmatch(_SO_MUCH.sub(" ", said)) or not _names(begins):
            continue
        if _A_LENGTH.search(begins) and _A_LENGTH.match(said):
            # "brown rice, medium or short grain"
            continue
        if _COCONUT.search(begins) and re.search(r"\bcoconut (?:milk|cream)\b", said, re.I):
            # "2 coconuts (or 2 tins coconut milk)": of the two only the other is measured
            continue
        apart = bracket or bool(_SET_APART.search(head)) or bool(_LEADS.match(said))
        if not apart and not find_grains(begins):
            continue
        if bracket and text[end : end + 1] in (")", "]"):
            end += 1
        elif not opened and (aside := _ASIDE.match(text, end)):
            # "or 300 g white basmati (cook 15 min less)"
            end = aside.end()
        yield len(begins), end


_A_LENGTH = lazy(r"(?:long|medium|short|round)\b(?:$|[- ]grain)|\b(?:long|medium|short|round)(?:[- ]grain)?$", re.I)
_COCONUT = lazy(r"\bcoconuts?\b(?! (?:milk|cream))", re.I)
_AN_AMOUNT = quick(RANGE_PATTERN, re.I)
_LAST_AMOUNT = lazy(rf"[\s.:=…–—-]+{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})?\.?(?:\s*\([^()]*\))?\s*$", re.I)
_SET_APART = lazy(r"[,;–—]\s*$|\s-\s*$")
_ASIDE = lazy(r"\s*\([^()\n]*\)")


_WET = quick(r"\b(?:water|stock|broth|milk|liquid|bouillon)\b", re.I)
_MORE_LIQUID = lazy(
    rf"\s*(?:about )?{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.? (?:of )?(?:[a-z]+ ){{0,2}}(?:water|stock|broth|milk)\b",
    re.I,
)


def _end(text: str, start: int, opened: int) -> int:
    """Where an offer ends: with its bracket, or at the next thing of the line. Offered instead of a liquid, two liquids are one offer."""
    wet = bool(_WET.search(text, 0, start)) and not find_grains(text[:start])
    deep = 0
    for i in range(start, len(text)):
        if text[i] in "([":
            deep += 1
        elif text[i] in ")]":
            deep -= 1
            if deep < 0:
                return i
        elif not deep and not opened and (m := _PARTS.match(text, i)):
            if _DRIED.search(text, start, i) and _DONE_TO_IT.match(text, m.end()):
                # "or 1/2 cup dried, soaked and boiled"
                continue
            joins = m[0].strip() in ("+", "&", "and", "plus")
            if joins and (_MAKES_IT.match(text, m.end()) or (wet and _MORE_LIQUID.match(text, m.end()))):
                continue
            return i
    return len(text)


_DRIED = lazy(r"\bdr(?:y|ied)\b", re.I)
_DONE_TO_IT = lazy(r"\s*(?:and )?(?:soaked|boiled|cooked|drained)\b", re.I)


def own_words(line: str) -> str:
    """The line with blanks for what it offers instead, every other letter where it was."""
    return blanked(line, instead(line))


def in_a_bracket(line: str, at: int) -> bool:
    """Is that place within a bracket that began before it?"""
    return line.rfind("(", 0, at) > line.rfind(")", 0, at)


@lru_cache(maxsize=4096)
def without(line: str, in_brackets: bool = True) -> tuple[str, tuple[int, ...]]:
    """The line without it, and where each letter left stood (and the line's end). in_brackets: also what is offered in the midst of a bracket."""
    gone = [(a, b) for a, b in instead(line) if in_brackets or not in_a_bracket(line, a)]
    left = [i for i in range(len(line)) if not any(a <= i < b for a, b in gone)]
    return "".join(line[i] for i in left), (*left, len(line))


_HOW_MUCH = lazy(
    rf"{RANGE_PATTERN}(?!\s*(?:(?:small|large|level|heaped|chicken|vegetable|veg|beef|stock|bouillon)\s+)*(?:cubes?|\w*würfel\w*|pastillas?|cubos?|dad[oi]|tsp|teaspoons?|tbsp|tablespoons?|spoon\w*|pinch\w*|stock pots?)\b)",
    re.I,
)


@lru_cache(maxsize=4096)
def of_another_amount(line: str) -> tuple[tuple[int, int], ...]:
    """Those of them that say how much: true of the old pot alone. "or water with 2 cubes" stays."""
    told = [(a, b) for a, b in instead(line) if re.search(r"\d", line[a:b]) and _HOW_MUCH.search(line[a:b])]
    return (*((a, b) for a, b in instead(line) if told and _EITHER.match(line[a:b])), *told)
