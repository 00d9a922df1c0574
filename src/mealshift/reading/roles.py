"""What each ingredient does: a trained tagger over the items in their order, with where the steps first use them.

Labels: grain · liquid (feeds the grain's pot) · wet (tomatoes, watery vegetables) · absorber · late (goes in while the grain cooks) · fat · salt · spice ·
whole_spice (counted in and out) · other_pot (a pot or bowl of its own) · after (joins the cooked grain) · other. The table of kinds
(data/ingredients.toml) knows the words; the tagger knows where they stand.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from ..measures import unit_kind
from ..quick import lazy, quick
from .clauses import THINGS, Clause
from .crf import Tagger
from .ingredients import Kind, is_drained, is_whole, kind_of
from .instead import MOST, without
from .names import as_rice

_WORD = lazy(r"[^\W\d_]+")
_SERVE = quick(
    r"\b(?:to serve|for serving|to garnish|for garnish|garnish|topping|to finish|on top|to top|on the side|to taste at the table|optional)\b",
    re.I,
)
_SECTION = {
    "rice": r"\b(?:rice|pilaf|pilau|pulao|risotto|grain|pot|congee|base)\b",
    "sauce": r"\b(?:sauce|dressing|gravy|syrup|raita|marinade|chutney|salsa|glaze|relish)\b",
    "top": r"\b(?:top|topping|toppings|serve|serving|garnish|finish|side)\b",
    "temper": r"\b(?:temper\w*|tadka|tempering|masala|paste|spice)\b",
    "main": r"\b(?:chicken|fish|meat|beef|lamb|filling|meatballs?|salad|stew|curry|beans?|vegetables?|stock|yakhni)\b",
}
_SECTIONS = {k: lazy(v, re.I) for k, v in _SECTION.items()}


@dataclass(frozen=True, slots=True)
class Thing:
    """An item as the tagger sees it. ratio: its ml over the grain's, None where unknown. inline: it stands in a step."""

    text: str
    name: str
    unit: str
    section: str
    grain: bool
    cooked: bool
    ratio: float | None
    inline: bool
    uses: tuple[
        tuple[Clause, bool], ...
    ]  # the clauses that name it, the first first; True: after the last minutes of the grain's heat
    home: bool  # the grain's own section


_SERVED = lazy(r"\bserved?\b", re.I)


# below this another role may be likelier than the one on the best path
UNSURE = 0.5


def tag(things: Sequence[Thing]) -> tuple[list[tuple[str, float]], list[float]]:
    """(role, how sure) of each, and each one's chance to feed the grain's pot. What is only served with the dish joins the cooked grain."""
    if not things:
        return [], []
    tagger = Tagger.load("roles")
    found = tagger.tag(features(things))
    out, chances = [], []
    for i, (t, (role, sure)) in enumerate(zip(things, found, strict=True)):
        if sure < UNSURE:
            # the best of all sequences may hold, at one place, what is not the likeliest there
            best = tagger.others(i, 0.0)[0]
            if not {role, best[0]} & {"liquid", "wet"}:
                role, sure = best
        if _stands_by(things, i):
            out.append(("other_pot", 0.95))
            chances.append(0.0)
        elif role in ("liquid", "wet") and _NOT_FOR_THE_POT.search(t.text):
            out.append(("other_pot", max(0.8, sure)))
            chances.append(0.0)
        elif role in ("other", "spice") and t.uses and all(_SERVED.search(c.text) for c, _ in t.uses):
            out.append(("after", max(0.8, sure)))
            chances.append(0.0)
        else:
            out.append((role, sure))
            chances.append(sum(tagger.chance(label, i) for label in ("liquid", "wet")))
    return out, chances


def _stands_by(things: Sequence[Thing], at: int) -> bool:
    """Is this water or stock kept ready, beside another that is poured?"""
    if not kept_ready(things[at].text):
        return False
    kinds = [kind_of(t.name or t.text)[0] for k, t in enumerate(things) if k == at or not kept_ready(t.text)]
    return sum(k is not None and k.carrier for k in kinds) > 1


# "2 cups hot water to soak them", "water for boiling the eggs"
_NOT_FOR_THE_POT = lazy(
    r"(?<!\+ )(?<!plus )(?<!more )(?<!extra )\b(?:to|for) (?:soak|soaking|wash|washing|blanch|blanching|dissolve|dissolving|(?:boil|boiling|cook|cooking) (?:the )?(?!rice|it\b|in\b)[a-z]+)\b(?! (?:the )?rice)",
    re.I,
)


# "100 ml extra water, if needed", "more boiling water in case the pot gets dry"; "2 cups water, plus more if needed" is two cups
_IN_CASE = quick(
    r"^\W*(?:(?:about|approx\.?|up to|a (?:little|bit|splash|drop) (?:of )?|some|[\d½¼¾⅓⅔][\d\s/.,–-]*|[^\W\d]{1,11}\.?)\s+){0,3}?(?:extra|more|additional|spare)\s+(?:(?:hot|boiling|warm|cold|chicken|vegetable) )*(?:water|stock|broth|liquid)\b"
    r"|\b(?:water|stock|broth|liquid)\s{0,3}[,(–-]{0,2}\s{0,3}(?:(?:kept )?hot|boiling|ready)?[,\s]{0,3}(?:(?:only|just|to be used|to use|to add|kept? (?:ready|hot|aside))[,;\s]{1,3}){0,3}\b(?:(?:if|when(?:ever)?) (?:needed|necessary|required|you (?:need|run|find)\b|(?:it|they|things|the (?:pot|rice|pan|stock|grains?|mixture|dish|bottom|water)) (?:gets?|looks?|seems?|runs?|sticks?|dr(?:y|ies)|needs?|wants?|catch(?:es)?|boils?|becomes?|(?:is|are) (?:too |still |very |getting )*(?:dry|stiff|thick|hard|raw|firm|short|sticking|gone|absorbed))\b)|optional\b|in case\b|for topping up|to top (?:it )?up|to (?:loosen|thin)|for (?:loosening|thinning))",
    re.I,
)


def kept_ready(text: str) -> bool:
    """Does a line speak of water or stock that stands ready beside what is poured?"""
    return bool(_IN_CASE.search(without(text[:MOST])[0]))


def features(things: Sequence[Thing]) -> list[list[str]]:
    kinds = [kind_of(t.name or t.text) for t in things]
    grain_at = next((i for i, t in enumerate(things) if t.grain), None)
    out = []
    for i, (t, (kind, word)) in enumerate(zip(things, kinds, strict=True)):
        fs = ["bias", *_of_kind(kind, "k")]
        if word:
            fs.append(f"kw={word.lower()}")
        words = [w.lower() for w in _WORD.findall(as_rice(t.name or t.text))]
        fs += [f"w={w}" for w in words[:8]]
        if words:
            fs.append(f"last={words[-1]}")
        fs += [f"x={w.lower()}" for w in _WORD.findall(as_rice(t.text))[:16] if w.lower() not in words]
        fs += [
            f"unit={t.unit or '-'}",
            f"unitkind={unit_kind(t.unit) if t.unit else '-'}",
            f"grain={t.grain}{t.cooked}",
            f"inline={t.inline}",
            f"home={t.home}",
        ]
        if is_whole(t.text):
            fs.append("whole")
        if is_drained(t.text):
            fs.append("drained")
        if re.search(r"\b(?:ground|powder(?:ed)?|crushed|minced|grated)\b", t.text, re.I):
            fs.append("ground")
        if _SERVE.search(t.text):
            fs.append("serve")
        fs += [f"sec:{k}" for k, p in _SECTIONS.items() if p.search(t.section)] or [
            "sec:-" if t.section else "sec:none"
        ]
        if t.ratio is not None:
            r = (
                0
                if t.ratio < 0.15
                else 1
                if t.ratio < 0.5
                else 2
                if t.ratio < 0.9
                else 3
                if t.ratio < 2.6
                else 4
                if t.ratio < 5
                else 5
            )
            fs += [f"ratio={r}", *(f"{f}&ratio={r}" for f in _of_kind(kind, "k")[:1])]
        if grain_at is not None:
            fs.append(f"from_grain={max(-3, min(3, i - grain_at))}")
        fs.append(f"uses={min(3, len(t.uses))}")
        for n, (c, late) in enumerate(t.uses[:2]):
            s = c.before
            fs += [
                f"u{n}:verb={c.verb}",
                f"u{n}:grains={c.grains}",
                f"u{n}:pot={int(s.grain)}{int(s.wet)}{int(s.cooked)}{int(s.off)}",
                f"u{n}:late={late}",
                f"u{n}:aside={c.aside}",
            ]
            fs += [f"u{n}:with={x}" for x in c.things if x in THINGS]
            if n == 0:
                fs += [
                    f"{f}&u:{int(s.grain)}{int(s.cooked)}{int(s.off)}{int(c.grains)}{int(late)}"
                    for f in _of_kind(kind, "k")[:1]
                ]
                fs.append(f"u:{int(s.grain)}{int(s.cooked)}{int(s.off)}{int(c.grains)}{int(late)}")
        for d in (-1, 1):
            if 0 <= i + d < len(things):
                fs += _of_kind(kinds[i + d][0], f"n{d}")[:1]
        out.append(fs)
    return out


def _of_kind(kind: Kind | None, mark: str) -> list[str]:
    return [f"{mark}={kind.kind}", f"{mark}r={kind.role}"] if kind else [f"{mark}=?"]
