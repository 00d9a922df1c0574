"""Finds grain names in running text, by every alias of the catalogue, and guesses at misspelt ones."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from ..grains import all_grains
from ..recipe import Span

# words after or before a grain's name that make it another thing
_NOT_AFTER = r"(?!\s*[-]?(?:vinegar|wine|flour|paper|noodles?|cooker|bran|milk|syrup|malt|cakes?|crackers?|krispies|flakes|bowl))"
_NOT_BEFORE = r"(?<!cauliflower )(?<!buck)(?<![\w-])"
_CLOSE_ENOUGH = 84


@dataclass(frozen=True, slots=True)
class Found:
    slug: str
    span: Span
    text: str
    generic: bool  # only "rice": which rice is a guess


@cache
def _aliases() -> dict[str, str]:
    return {alias.lower(): g.slug for g in all_grains() for alias in g.aliases}


@cache
def _pattern() -> re.Pattern[str]:
    words = sorted(_aliases(), key=len, reverse=True)
    body = "|".join(re.escape(w).replace(r"\ ", r"[\s-]+").replace(r"\-", r"[\s-]") for w in words)
    return re.compile(rf"{_NOT_BEFORE}(?:{body})(?:s|es)?(?![\w]){_NOT_AFTER}", re.I)


def find_grains(text: str) -> list[Found]:
    """Every grain named in the text, longest names first at each place."""
    found = []
    for m in _pattern().finditer(text):
        key = re.sub(r"[\s-]+", " ", m[0].lower())
        slug = _lookup(key)
        if slug:
            found.append(
                Found(
                    slug, Span(m.start(), m.end()), m[0], key in ("rice", "uncooked rice", "plain rice", "white rice")
                )
            )
    return found


@cache
def _normal() -> dict[str, str]:
    return {re.sub(r"[\s-]+", " ", a): slug for a, slug in _aliases().items()}


def _lookup(key: str) -> str | None:
    normal = _normal()
    return next((normal[k] for k in (key, key.removesuffix("s"), key.removesuffix("es")) if k in normal), None)


def guess_grain(text: str) -> Found | None:
    """The grain a misspelt name most likely means, or None. For ingredient lines only, never for prose."""
    from rapidfuzz import fuzz, process

    words = list(re.finditer(r"[^\W\d]+(?:-[^\W\d]+)*", text))
    best: tuple[float, Found] | None = None
    for size in (3, 2, 1):
        for i in range(len(words) - size + 1):
            start, end = words[i].start(), words[i + size - 1].end()
            said = text[start:end].lower()
            if len(said) < 5:
                continue
            hit = process.extractOne(said, list(_normal()), scorer=fuzz.ratio, score_cutoff=_CLOSE_ENOUGH)
            if hit and abs(len(hit[0]) - len(said)) <= 2 and (best is None or hit[1] > best[0]):
                best = (hit[1], Found(_normal()[hit[0]], Span(start, end), text[start:end], False))
    return best[1] if best else None
