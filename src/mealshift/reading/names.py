"""Finds grain names in running text, by every alias of the catalogue, and tells kinds of rice by the words beside them."""

from __future__ import annotations

import re
import tomllib
from dataclasses import dataclass
from functools import cache, lru_cache
from importlib import resources
from typing import Any

from ..anyof import any_of
from ..grains import all_grains, grain
from ..process import Span
from ..quick import lazy, quick

# words after or before a grain's name that make it another thing
_NOT_AFTER = r"(?!\s*[-]?(?:(?:measur\w+ |cooker )?cups?\b|vinegar|wine|flour|paper|noodles?|cooker|bran|milk|syrup|malt|cakes?|crackers?|krispies|flakes|bubbles|puffs|pops(?! open)|crisp\w*|cereal|sevai|sticks?|stick noodles|dumplings?|pasta|starch|cooker|bowls?\b(?!\s+of)|powder|vermicelli|sticks|washing|water|mode|program(?:me)?|setting|button|function|paddle|scoop|spatula|pot\b|stuffing mix|\((?:bean[ -]thread|glass noodle|cellophane)))"
_NOT_BEFORE = r"(?<!cauliflower )(?<!cuiseur à )(?<!buck)(?<!the right )(?<![\w-])"
_CLOSE_ENOUGH = 84


# other grains' names as cooks write them; what the taggers learnt of rice is true of these
OTHER_GRAINS = (
    r"quinoa|millets?|barley|bulgh?ur|couscous|amaranth|teff|fonio|farro|spelt|freekeh|sorghum|jowar|bajra|ragi|buckwheat|kasha|oats|oatmeal|semolina|sooji|suji|polenta|cornmeal|rava|dalia"
    r"|kodo|foxtail|barnyard|browntop|proso|(?:broken|cracked) wheat|(?:maize|finger[ -]millet|corn) meal"
)
_OTHER = quick(
    rf"(?<![\w-])(?:(?:little|foxtail|kodo|barnyard|browntop|proso|pearl|hulled|coarse|fine|steel-cut|wild) )?(?:{OTHER_GRAINS})(?![\w-])",
    re.I,
)


# each of those holds one of these, and few texts do
_STEMS = tuple(w for w in re.split(r"\w\?|[^a-z]+", OTHER_GRAINS) if len(w) > 3)


@lru_cache(maxsize=4096)
def as_rice(text: str) -> str:
    """The text with every other grain called rice, as the taggers know it; places are not kept.

    >>> as_rice("Rinse the pearl barley; add the quinoa")
    'Rinse the rice; add the rice'
    """
    low = text.lower()
    return _OTHER.sub("rice", text) if any(s in low for s in _STEMS) else text


# words of a kind of rice that stand before its name and mean nothing beside another grain's
_KIND_BEFORE = quick(
    r"(?:(?<![\w-])(?:(?:long|short|medium|round)[- ]grain(?:ed)?|white|brown|black|red|easy[- ]cook|par-?boiled|converted|raw|sprouted|germinated|gaba|baldo|carolina|arborio|carnaroli|basmati|jasmine|instant|minute"
    r"|plain|polished|broken|fragrant|thai|sushi|risotto|pudding|paella|bomba|calasparra|sticky|glutinous|sweet|sona masoori|ponni|short|round|american|patna|regular|ordinary|quick|quick-cooking|forbidden|aged|old|new|new[- ]crop|japanese|camargue|egyptian|spanish|italian|indian|pakistani|vietnamese|korean|persian|iranian|californian?|calrose|louisiana|aromatic|scented|extra[- ]long|unpolished|enriched|kolam|kerala|rosematta|matta|pre-?cooked|uncooked|wild|good|real|fine|pishori|chinigura|kalijira)[\s,-]+(?:(?:or|and|&|\+)\s+|\([^()\d]{0,30}\)\s*)?)+$",
    re.I,
)


@dataclass(frozen=True, slots=True)
class Found:
    slug: str
    span: Span
    text: str
    generic: bool  # only "rice": which rice is a guess


@cache
def _table() -> dict[str, Any]:
    return tomllib.loads(resources.files(__package__).joinpath("data/rice_words.toml").read_text(encoding="utf-8"))


@cache
def _aliases() -> dict[str, str]:
    known = {alias.lower(): g.slug for g in all_grains() for alias in g.aliases}
    return {**dict.fromkeys(_table()["generic"]["words"], "rice-white-long"), **known}


@cache
def rice_words() -> frozenset[str]:
    """Words for rice as such, in the languages recipes are mixed of."""
    return frozenset(_table()["generic"]["words"])


@cache
def _pattern() -> re.Pattern[str]:
    body = any_of((a.replace("-", " ") for a in _aliases()), {" ": r"[\s-]+"})
    return re.compile(rf"{_NOT_BEFORE}{body}(?:s|es)?(?![\w]){_NOT_AFTER}", re.I)


def find_grains(text: str) -> list[Found]:
    """Every grain named in the text, longest names first at each place."""
    return list(_found(text))


_WORDS = lazy(r"[^\W\d_]+")


@cache
def _first_words() -> frozenset[str]:
    """The first word of every alias, without its plural."""
    return frozenset(w[0].lower().rstrip("s") for a in _aliases() if (w := _WORDS.findall(a)))


# "Brown rice in the oil" bids to brown it
_BROWNED = lazy(
    r"(?:^|(?<=[.;:!?>]\s)|(?<=[.;:!?]\s\s)|(?<=\n))Brown(?= rice(?: (?:in|with|until|till|lightly|well|slightly|gently|for)\b|,(?:\s[a-z]+,?)?\s(?:[a-z]+\s)?(?:and|&)\s[a-z]+\s+in\b| (?:and|&|\+) [a-z]+ in\b))"
)


# "add the rice & brown lightly"
_TO_BROWN = lazy(
    r"(?P<a>(?:\b(?:and|then|to|let it)|&)\s+)brown(?=\s+(?:it|them|lightly|slightly|gently|well|nicely|quickly|until|till|in|on|over|a little|for)\b)",
    re.I,
)


# a text is asked about at each of its "brown"s
@lru_cache(maxsize=16)
def browned(text: str) -> str:
    """The text with the verb "brown" blanked where it would be taken for the colour; every other letter in its place."""
    if "Brown rice" in text:
        text = _BROWNED.sub("     ", text)
    return _TO_BROWN.sub(r"\g<a>     ", text) if "brown" in text.lower() else text


# "set to white rice and start": a key of the cooker, whatever is in it
_A_PROGRAMME = lazy(r"\b(?:set|switch\w*|turn\w*)(?: (?:it|the [^\W\d_]+))? (?:to|on) (?:the )?[\"'“‘]?$", re.I)
NEAR_IT = 40
_GRITS = lazy(r"\s+grits\b", re.I)


@lru_cache(maxsize=4096)
def _found(text: str) -> tuple[Found, ...]:
    # few texts name a grain, and their words say so far quicker than the pattern of all names
    if _first_words().isdisjoint(w.rstrip("s") for w in _WORDS.findall(text.lower())):
        return ()
    found = []
    for m in _pattern().finditer(browned(text)):
        key = re.sub(r"[\s-]+", " ", m[0].lower())
        if key == "rises":
            # "until steam rises" is no ris in the plural
            continue
        if _A_PROGRAMME.search(text, max(0, m.start() - NEAR_IT), m.start()):
            continue
        slug = _lookup(key)
        if slug and key.endswith("rice") and (grits := _GRITS.match(text, m.end())):
            # "Carolina rice grits"
            found.append(Found("rice-grits", Span(m.start(), grits.end()), text[m.start() : grits.end()], False))
            continue
        if slug:
            found.append(Found(slug, Span(m.start(), m.end()), m[0], key in rice_words()))
    return tuple(found)


@cache
def _normal() -> dict[str, str]:
    return {re.sub(r"[\s-]+", " ", a): slug for a, slug in _aliases().items()}


def _lookup(key: str) -> str | None:
    normal = _normal()
    return next((normal[k] for k in (key, key.removesuffix("s"), key.removesuffix("es")) if k in normal), None)


def with_kind(text: str, start: int) -> int:
    """Where a grain's name begins with the words of its kind: "easy-cook long grain" belongs to the rice it stands before."""
    m = _KIND_BEFORE.search(text, max(0, start - 40), start)
    return m.start() if m else start


_KIND_ASIDE = lazy(
    r"\s*\((?:[^()\d]{0,30}\b(?:long|medium|short|round)[- ]grain\b[^()\d]{0,30}|(?:long|medium|short|round|white|brown)(?: (?:or|and) (?:long|medium|short|round))?)\)",
    re.I,
)


# "two cups of rice, the jasmine one"; "the wild rice mix"
_THE_ONE = lazy(r",? the (?:[^\W\d_]+[- ]){1,2}(?:one|kind|sort|type|stuff)\b", re.I)
# "arroz blanco de grano largo", "riz long", "Reis"
_OTHER_TONGUE = lazy(
    r"(?:\s+(?:blanco|largo|redondo|medio|integral|vaporizado|de grano (?:largo|medio|corto|redondo)|tipo \w+|agulhinha|branco|carolino|long|rond|blanc|complet|parfumée?|brisée?|cassée?|étuvée?|thaï|gluant|lungo|tondo|parboiled|integrale|basmati|thai))+\b",
    re.I,
)
# "the rice mixture" is what it was mixed into
_MIXED = lazy(r"\s+(?:blend|mix|medley)\b|(?<=wild rice)\s+mixture\b", re.I)


_GRAIN_BEHIND = lazy(r",?\s+(?:long|medium|short|round)[- ]grain(?:ed)?\b", re.I)
_TONGUES = lazy(r"\b(?:arroz|riz|riso)$", re.I)


def with_kind_after(text: str, end: int) -> int:
    """Where a grain's name ends whose tongue says the kind behind it: "arroz blanco de grano largo"."""
    m = _OTHER_TONGUE.match(text, end) if _TONGUES.search(text, max(0, end - 8), end) else None
    if m is None and text[max(0, end - 4) : end].lower() == "rice":
        # "Rice medium grain 12 Tbsp"
        m = _GRAIN_BEHIND.match(text, end)
    return m.end() if m else end


def without_aside(text: str, end: int) -> int:
    """Where a grain's name ends with what a bracket says of its kind: "rice (I use a medium grain)"."""
    end = with_kind_after(text, end)
    m = _KIND_ASIDE.match(text, end) or _THE_ONE.match(text, end) or _MIXED.match(text, end)
    return m.end() if m else end


@cache
def _kinds() -> tuple[tuple[str, re.Pattern[str], re.Pattern[str] | None], ...]:
    return tuple(
        (
            k["slug"],
            quick(rf"\b(?:{k['words']})\b", re.I),
            quick(rf"\b(?:{k['not']})\b", re.I) if "not" in k else None,
        )
        for k in _table()["kind"]
    )


def kind_of_rice(text: str) -> str | None:
    """The kind that the words around "rice" tell ("Rice, long grain, parboiled" → parboiled); None if they tell nothing."""
    for slug, words, never in _kinds():
        if words.search(text) and not (never and never.search(text)):
            return slug
    return None


# "(long-grain for separate, short for sticky)"
_FOR_ANOTHER_TASTE = lazy(
    r"(?:,\s*|\bor\s+)(?:[\w-]+ ){0,2}\bfor (?:an? )?(?:sticky|stickier|softer|soft|creamier|creamy|mushy)\b[^,;()]{0,20}",
    re.I,
)
_KIND_OR_KIND = lazy(
    r"\b(?P<first>paella|bomba|risotto|arborio|carnaroli|sushi|pudding|basmati|jasmine|glutinous|sticky|brown|black|red|wild|easy[- ]cook|parboiled|converted)\s*(?:,?\sor\s|/)\s*(?:(?:other|any|even|a) )*"
    r"(?:paella|bomba|risotto|arborio|carnaroli|sushi|pudding|basmati|jasmine|glutinous|sticky|brown|white|black|red|easy[- ]cook|parboiled|converted|(?:long|short|medium)[- ]grain)\s(?=(?:[a-z-]+ )?(?:rice|basmati|jasmine)\b)",
    re.I,
)


# "(not brown, it will not cook through)", "never the instant kind"
_IS_NOT = lazy(
    r"\b(?:not|never)\s+(?:(?:the|an?|use|any|with|really)\s+)*(?:(?:brown|wild|red|black|white|instant|minute|quick|easy|par-?boiled|converted|basmati|jasmine|arborio|risotto|paella|sushi|pudding|sticky|glutinous|long|short|medium)[\s-]*(?:grain|cook(?:ing)?|rice|kind)?\b(?:\s*(?:or|,|/)\s*(?=\w))?\s?)+",
    re.I,
)


def name_grain(text: str) -> Found | None:
    """The grain an ingredient's words mean: its name by the catalogue, told more nearly by the words beside it where that says only rice.

    >>> name_grain("Rice, long grain, parboiled").slug, name_grain("two cups rice, the jasmine one").slug
    ('rice-parboiled', 'jasmine')
    """
    for p in (_IS_NOT, _FOR_ANOTHER_TASTE):
        text = p.sub(lambda m: " " * len(m[0]), text)
    found = find_grains(text)
    if not found:
        return None
    first = next((f for f in found if not f.generic), found[0])
    if found[0].generic and grain(first.slug).family != "rice" and "/" in text[found[0].span.end : first.span.start]:
        # "rice / bulgur / quinoa, your choice"
        first = found[0]
    if either := _KIND_OR_KIND.search(text):
        # "paella or risotto rice": the first of two kinds
        kind = kind_of_rice(f"{either['first']} rice")
        if kind and kind not in ("rice-white-long", "rice-white-short", "rice-white-medium"):
            return Found(kind, first.span, first.text, False)
    if first.slug.startswith(("rice", "basmati", "jasmine", "wild-rice")):
        told = kind_of_rice(text)
        if first.slug == "rice-brown-long" and _SHORT_ONE.search(text) and not _LONG_ONE.search(text):
            # "brown rice (I use the short grain)"
            return Found("rice-brown-short", first.span, first.text, False)
        if told in _VARIETIES and first.slug in _VARIETIES:
            # "basmati, jasmine or other": the first; "fragrant basmati" is no jasmine
            told = None
        # "wild rice (the real black kind)" is wild
        if (
            told
            and first.slug != "wild-rice"
            and (first.generic or told not in ("rice-white-long", "rice-white-short", "rice-white-medium"))
        ):
            return Found(told, first.span, first.text, False)
    return first


# of these one is not told more nearly by another's word
_VARIETIES = frozenset({"basmati", "jasmine", "rice-risotto", "rice-paella", "rice-white-raw"})
_SHORT_ONE, _LONG_ONE = (lazy(rf"\b{x}[- ]?grain", re.I) for x in ("(?:short|medium)", "long"))
_STAYS = quick(_NOT_AFTER, re.I)


# a misspelt name is about as long as the name, and none is shorter
MISSPELT_BY, SHORTEST_NAME = 2, 6


@cache
def _as_long_as(letters: int) -> tuple[str, ...]:
    return tuple(n for n in _normal() if len(n) >= SHORTEST_NAME and abs(len(n) - letters) <= MISSPELT_BY)


@lru_cache(maxsize=8192)
def _closest(said: str) -> tuple[str, float] | None:
    """The name most like what was said, and how like (0 … 100); None if none is close."""
    from rapidfuzz import fuzz, process

    if len(said) < SHORTEST_NAME:
        return None
    hit = process.extractOne(said, _as_long_as(len(said)), scorer=fuzz.ratio, score_cutoff=_CLOSE_ENOUGH)
    return (hit[0], hit[1]) if hit else None


def guess_grain(text: str, least: int = 1) -> Found | None:
    """The grain a misspelt name most likely means, or None. For ingredient lines only, never for prose. least: of how many words."""
    words = list(re.finditer(r"[^\W\d]+(?:-[^\W\d]+)*", text))
    best: tuple[float, Found] | None = None
    for size in (n for n in (3, 2, 1) if n >= least):
        for i in range(len(words) - size + 1):
            start, end = words[i].start(), words[i + size - 1].end()
            hit = _closest(text[start:end].lower())
            # "thin rice noodles" is no misspelt Thai rice
            if hit and (best is None or hit[1] > best[0]) and _STAYS.match(text, end):
                best = (hit[1], Found(_normal()[hit[0]], Span(start, end), text[start:end], False))
    return best[1] if best else None
