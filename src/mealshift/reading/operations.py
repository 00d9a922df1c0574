"""Clauses → Process: every clause that does something becomes an operation, in order, in its vessel."""

from __future__ import annotations

import re
from collections.abc import Sequence

from ..measures import NUMBER_PATTERN
from ..process import Operation, Process, Span, Vessel
from ..quick import lazy, quick
from ..recipe import Duration, Recipe, Step
from .clauses import Clause, verbs, wants_object
from .pot_words import COOLED_ABROAD, PREHEATS_ABROAD

_SWITCHES = quick(r"\b(?:press|push|hit|start|switch|turn|cancel)\b|\bcooker (?:on|to)\b", re.I)
_NO_PEEKING = quick(r"\b(?:lift|open|touch)\w*\b[^.;]{0,8}\blid\b|\bpeek", re.I)
# "everything into a big pot"
_ALL_IN = lazy(
    r"\b(?:everything|all (?:of )?(?:the )?(?:ingredients|rest)|all)\b[^.;]*\b(?:in|into)\b[^.;]*\b(?:pot|pan|cooker|dish|bowl|saucepan)\b",
    re.I,
)
# "Cook the aromatics: heat the oil …": a step's name, which its own words then tell
_CAPTION = lazy(r"\s*(?:[^\s:,.;\d]+\s+){0,4}[^\s:,.;\d]+:\s*$")
_UNTIL = quick(r"\b(?:or )?(?:until|till|til|or until|so that|when)\b(?P<sign>[^.;,]{3,80})", re.I)
_HEAT = (
    (
        "high",
        quick(
            r"\b(?:high|strong|full|hard|brisk\w*|fierce|big fire|fuego (?:muy )?(?:fuerte|vivo|alto)|fuoco (?:vivo|alto|forte)|fiamma (?:viva|alta)|feu (?:vif|fort)|fogo (?:alto|forte)|(?:starker|großer|hoher) (?:hitze|flamme)|hoog vuur|hög värme)\b",
            re.I,
        ),
    ),
    (
        "low",
        quick(
            r"\b(?:low\w*|gentl\w*|slow\w*|small fire|simmer\w*|weakest|fuego (?:muy )?(?:lento|suave|bajo)|fuoco (?:lento|dolce|basso)|fiamma (?:bassa|dolce)|feu doux|fogo (?:baixo|brando|lento)|(?:kleiner|kleinster|schwacher|niedriger|geringer) (?:hitze|flamme)|laag vuur|låg värme)\b",
            re.I,
        ),
    ),
    ("medium", quick(r"\b(?:medium|moderate|med)\b", re.I)),
)
# "Precalentar el horno": verbs that are of no other thing
_DONE_ABROAD = quick(rf"\b(?:{PREHEATS_ABROAD}|{COOLED_ABROAD})\b", re.I)
_OVEN = lazy(r"\b(\d{3})\s*(?:°|degrees|º)?\s*(?P<u>[CF])?\b")
# phases of the grain by what its minutes are for
_PHASES = ("heat", "rest", "release", "soak", "toast", "pan", "come_up", "from_end", "from_start", "whistles")
_KIND_OF_VESSEL = (
    ("rice cooker", r"rice cooker"), ("pressure cooker", r"pressure cooker|cooker"), ("electric cooker", r"instant pot|slow cooker|crock"), ("microwave bowl", r"microwave"),
    ("oven dish", r"casserole|dish|tin|roasting|oven"), ("steamer", r"steamer|basket"), ("bowl", r"bowl|jug"), ("tray", r"tray|sheet|plate"), ("jar", r"jar|blender"), ("pan", r"pan|skillet|wok|kadai|tawa"),
)  # fmt: skip


_PUTS_IT = lazy(
    r"\W*(?:(?:and|then|now)\s+)*(?:put|add|tip|pour|place|transfer|stir|scoop|drop|turn)\s+(?:it|them)\b", re.I
)
_A_RATIO = lazy(rf"\W*{NUMBER_PATTERN} parts? (?:to|of|water|stock)\b|\W*1 ?: ?\d", re.I)


def operations(recipe: Recipe, found: Sequence[Clause]) -> Process:
    seen: dict[int, str] = {}
    grains: dict[int, bool] = {}
    for c in found:
        noun = c.noun or seen.get(c.vessel, "")
        seen[c.vessel] = noun
        grains[c.vessel] = grains.get(c.vessel, False) or c.grains or _at_its_heat(recipe, c)
    whole = recipe.method
    vessels = tuple(
        Vessel(f"v{n + 1}", _vessel_kind(seen[n], whole if grains[n] else ""), grains[n]) for n in sorted(seen)
    )
    out: list[Operation] = []
    # the text speaks for itself in the recipe's own words; what no clause says is implied
    cooked = False
    told = (-1, -1)
    # the grain was just rinsed, soaked or drained, and nothing else was spoken of since
    fresh = False
    captioned: tuple[int, ...] = ()
    for i, c in enumerate(found):
        step = recipe.steps[c.block] if c.block < len(recipe.steps) else None
        if step is None:
            continue
        # what was blanked as another pot's, or another day's, is no part of the clause behind it
        mine = [
            d
            for d in step.durations
            if c.start <= d.span.start < c.end and c.text[d.span.start - c.start : d.span.end - c.start].strip()
        ]
        minutes = next((d for d in mine if d.kind in _PHASES), mine[0] if mine else None)
        if minutes is None and _CAPTION.match(step.text[: c.end]) and step.text[c.end :].strip():
            captioned = c.lines if recipe.source not in c.lines else ()
            continue
        says = (
            _SWITCHES.search(c.text)
            or _ALL_IN.search(c.text)
            or _NO_PEEKING.search(c.text)
            or _DONE_ABROAD.search(c.text)
        )
        if not c.verb and not c.things and not c.lines and minutes is None and not says:
            continue
        if c.verbs or c.off:
            told = (c.block, c.sentence)
        # a verb goes on within its sentence ("for the last 5 minutes"), not into the next one
        kind = (c.verb if told == (c.block, c.sentence) else "") or "other"
        phase = minutes.kind if minutes is not None and minutes.kind in _PHASES else ""
        if phase in ("heat", "from_end"):
            kind, cooked = ("cook" if kind in ("other", "boil", "cover", "stir", "add", "off", "rest") else kind), True
        elif phase in ("rest", "soak", "release", "toast"):
            kind = phase
        # "Lentils: cover with water, simmer": of what the caption names
        what, captioned = tuple(sorted({*c.lines, *captioned})), ()
        if _A_RATIO.match(c.text):
            # "(2 parts to 1 of rice)" puts nothing in
            what = tuple(x for x in what if x != recipe.source)
        if (
            fresh
            and recipe.source is not None
            and {"add", "stir", "combine"} & {kind, *c.verbs}
            and (wants_object(c.text) or _PUTS_IT.match(c.text))
        ):
            # "Wash the rice and put in a pot with the onion", "wash the rice, put it in a pot"
            what = tuple(sorted({*what, recipe.source}))
        ready = kind in ("rinse", "soak", "drain") and (recipe.source in c.lines or (fresh and not c.lines))
        fresh = ready or (fresh and not c.verbs and not c.lines and not c.things)
        low, typical, high = (minutes.low, minutes.typical, minutes.high) if minutes else (None, _usual(kind), None)
        until = _UNTIL.search(step.text, c.start, min(len(step.text), c.end + 60))
        heat = _heat(c.text, None if minutes is None else minutes.span.start - c.start)
        lid = _lid(c)
        row = verbs().get(kind, {})
        first = Operation(
            f"o{i + 1}",
            step.section,
            kind,
            f"v{c.vessel + 1}",
            what,
            low,
            typical,
            high,
            until["sign"].strip() if until else "",
            heat or str(row.get("heat", "")),
            lid,
            str(row.get("hands", "now and then")),
            Span(step.span.start + c.start, step.span.start + c.end),
            "said",
            step.index,
            phase,
            c.text.strip(),
            minutes.sure if minutes else 1.0,
            _told(step, minutes),
        )
        out.append(first)
        # a clause that states two stretches does two things
        for n, d in enumerate(d for d in mine if d is not minutes and d.kind in _PHASES):
            cooked = cooked or d.kind in ("heat", "from_end")
            out.append(
                first.with_(
                    id=f"{first.id}.{n + 1}",
                    kind=_kind_of_phase(d.kind),
                    low_min=d.low,
                    typical_min=d.typical,
                    high_min=d.high,
                    phase=d.kind,
                    # "10 minutes over a high heat and 8 over a low one"
                    heat=_heat(
                        step.text[
                            d.span.end : min([x.span.start for x in mine if x.span.start > d.span.start], default=c.end)
                        ],
                        None,
                    )
                    or first.heat,
                    sure=d.sure,
                    told=_told(step, d),
                )
            )
    line = recipe.source_line
    if line is not None and not line.cooked and not cooked and any(v.grain for v in vessels):
        # minutes nobody wrote: the grain is cooked all the same
        v = next(v for v in vessels if v.grain)
        out.append(
            Operation(
                f"o{len(found) + 1}",
                "",
                "cook",
                v.id,
                (line.index,),
                None,
                None,
                None,
                "tender",
                "low",
                "",
                "now and then",
                None,
                "implied",
                None,
                "heat",
            ),
        )
    return Process(vessels, tuple(out))


def _at_its_heat(recipe: Recipe, c: Clause) -> bool:
    """Are minutes told there that are the grain's at the heat? Then it is in that vessel, whether or not the words say how it came there."""
    if recipe.source_line is None or recipe.source_line.cooked or c.block >= len(recipe.steps):
        return False
    timed = recipe.steps[c.block].durations
    return any(d.kind in ("heat", "whistles") and c.start <= d.span.start < c.end for d in timed)


def _heat(text: str, at: int | None) -> str:
    """The heat its words name; of several the last before its minutes, which stand at `at`: "LOW 8 hours or HIGH 4"."""
    found = sorted((m.start(), h) for h, p in _HEAT for m in p.finditer(text))
    before = [h for start, h in found if at is not None and start < at]
    return before[-1] if before else next((h for h, _ in _HEAT if any(h == x for _, x in found)), "")


def _told(step: Step, d: Duration | None) -> Span | None:
    return None if d is None else Span(step.span.start + d.span.start, step.span.start + d.span.end)


def _kind_of_phase(phase: str) -> str:
    return {
        "heat": "cook",
        "from_end": "cook",
        "from_start": "add",
        "whistles": "cook",
        "pan": "fry",
        "come_up": "boil",
    }.get(phase, phase)


def _usual(kind: str) -> float | None:
    row = verbs().get(kind)
    return float(row["typical"]) if row and row.get("typical") else None


def _vessel_kind(noun: str, method: str) -> str:
    by_method = {
        "rice-cooker": "rice cooker",
        "pressure": "pressure cooker",
        "electric-pressure": "electric cooker",
        "microwave": "microwave bowl",
        "oven": "oven dish",
        "steam": "steamer",
    }
    if method in by_method:
        return by_method[method]
    return next((kind for kind, p in _KIND_OF_VESSEL if noun and re.search(p, noun)), "pot")


_LID = (
    (quick(r"\b(?:uncover\w*|without (?:a |the )?lid|no lid|lid off|open)\b", re.I), "off"),
    (quick(r"\b(?:ajar|half[- ]cover\w*|partly cover\w*|cracked)\b", re.I), "ajar"),
    (quick(r"\b(?:towel|cloth)\b", re.I), "cloth"),
    (quick(r"\b(?:cover\w*|lid|foil|closed?)\b", re.I), "on"),
)


def _lid(c: Clause) -> str:
    return next((how for pattern, how in _LID if pattern.search(c.text)), "")
