"""Reads the steps: which minutes are the grain's, when it meets its liquid, when it is done, what joins late.

A step is read sentence by sentence, with three facts carried along: is the grain in the pot, is liquid in the
pot, has the pot come off the heat. A duration's kind follows from them and from the words around it.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field, replace

from ..measures import RANGE_PATTERN, UNIT_PATTERN, Measures, canonical_unit, make_amount, number_range
from ..problems import Refusal
from ..recipe import DURATION_KINDS, Correction, Duration, Line, Span, Step
from .layout import Piece
from .names import find_grains
from .words import word_list

_HOURS = r"(?:hours?|hrs?|h)\b"
_MINS = r"(?:minutes?\b|mins?\b\.?(?!\s*$))"
_TIME = re.compile(
    rf"(?P<hh>{RANGE_PATTERN})\s*-?\s*(?P<hu>{_HOURS})(?:\s*(?:and\s+)?(?P<hm>\d+)\s*{_MINS})?(?P<half>\s+and a half)?"
    rf"|(?P<mm>{RANGE_PATTERN})\s*-?\s*(?P<mu>{_MINS})"
    r"|(?P<words>half an hour|an hour and a half|a quarter of an hour|overnight)",
    re.I,
)
_MINUTE_N = re.compile(r"\b(?:at|from|after|by) minute (?P<n>\d+)", re.I)
_FROM_END = re.compile(r"(?:\b(?:for|in|during)\s+)?(?:the\s+)?\b(?:last|final)\s*$", re.I)
_BEFORE_END = re.compile(
    r"^\s*(?:before (?:the end|it(?:'s| is) done|serving|the \w+ is done)|from the end|to go)", re.I
)
_AFTER_N = re.compile(r"\bafter\s+(?:about\s+|the\s+first\s+|another\s+)?$", re.I)
_EVERY = re.compile(r"\bevery\s+(?:few\s+)?$", re.I)
_HEAT = re.compile(
    r"\b(?:simmer\w*|cook(?:s|ed|ing)?|boil\w*|bubbl\w*|bak(?:e|es|ed|ing)|steam(?:s|ing)?|microwav\w*|oven|poach\w*|heat|"
    r"pressure|stir(?:ring)?|ladle\w*|covered|lid|stew|more|another|further|again)\b",
    re.I,
)
_REST = re.compile(
    r"\b(?:rest(?:s|ed|ing)?|stand(?:s|ing)?|sit(?:s|ting)?|leave(?: it)? (?:\d|covered|alone|to steam|off)|off the heat|"
    r"steam off|undisturbed|left (?:covered|alone))\b",
    re.I,
)
_LEFT = re.compile(r"\b(?:leave|let)(?: it)?(?: for)?(?: about)?\s*$", re.I)
_SOAK = re.compile(r"\bsoak\w*\b", re.I)
_OFF = re.compile(
    r"\b(?:off the heat|turn off|take (?:it|the pot|the pan) off|remove from (?:the )?heat|switch off|out of the oven)\b",
    re.I,
)
_DONE_WORDS = re.compile(
    r"\b(?:fork|fluff|serve|scatter|dish up|to serve|spoon into bowls|stir through|fold in)\b", re.I
)
_LIQUID = re.compile(r"\b(?:water|stock|broth|milk|liquid|tomatoes|passata|wine)\b", re.I)
_ALL_IN = re.compile(r"\b(?:everything|all (?:of )?(?:the )?(?:other )?ingredients|all of it)\b", re.I)
_MEANWHILE = re.compile(r"\b(?:meanwhile|in the meantime|while (?:it|the \w+) cooks?)\b", re.I)
_OTHER_PAN = re.compile(r"\bin (?:another|a separate|a second|a frying|a small) (?:pan|pot|bowl|saucepan)\b", re.I)
_LIQUID_AFTER = re.compile(r"^[^.;]{0,40}\bin\s+(?:[\w-]+\s+){0,4}(?:water|stock|broth|milk|liquid)\b", re.I)
_DRAIN = re.compile(r"\bdrain(?! well and| the (?:chickpeas|beans|tin))\b(?:\s+(?:the|it|well|and))?", re.I)
_SENTENCE = re.compile(r"[^.;!?]+(?:[.](?=\d)[^.;!?]*)*[.;!?]*")
_IN_STEP = re.compile(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>ml|l|litres?|liters?|cups?|pints?|glass(?:es)?|mugs?|measures?)\b\s*(?:of\s+)?(?:the\s+)?"
    r"(?P<what>(?:boiling |hot |cold |warm |fresh |salted |vegetable |chicken )*(?:water|stock|broth|milk))\b",
    re.I,
)


_ADJ = r"(?:[a-z-]+\s+){0,3}?"
_GRAIN_IN_STEP = re.compile(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>{UNIT_PATTERN})(?![\w])\.?\s*(?:of\s+)?(?:the\s+)?(?P<what>{_ADJ})(?=\S)", re.I
)
_OTHER_IN_STEP = re.compile(
    rf"(?P<n>{RANGE_PATTERN})\s*(?P<unit>g|kg|oz|tbsp|tsp|tins?|cans?|cups?|mugs?|handfuls?)\b\.?\s*(?:of\s+)?(?P<what>[a-z]+(?: (?!(?:for|and|in|to|until|with|on|over|then|or|at)\b)[a-z]+)?)",
    re.I,
)
# "the same of water", "double the volume of stock", "1½ times as much water as rice"
RELATION = re.compile(
    rf"(?:(?P<same>(?:the |an? )?(?:same|equal)(?: again)?(?: (?:amount|volume|quantity|measure))?)|(?P<double>double|twice)|(?P<times>{RANGE_PATTERN})\s*times)"
    r"(?: (?:as much|the (?:amount|volume|quantity)|its volume|that))?(?: in| of)?(?= (?:the )?(?:boiling |hot |cold |vegetable |chicken )*(?:water|stock|broth|milk)\b)",
    re.I,
)
_IF_NEEDED = re.compile(r"\b(?:not yet|if (?:it|the|needed|necessary|dry|too)|more if|extra|top up|splash)\b", re.I)


@dataclass(slots=True)
class Reading:
    """What the steps tell about the pot."""

    steps: list[Step] = field(default_factory=list)
    soak_min: float = 0.0
    simmer_min: float | None = None
    rest_min: float | None = None
    first_mention: dict[int, str] = field(default_factory=dict)  # line -> before | pot | cooking | after
    oven: bool = False
    drained: bool = False
    in_steps: list[tuple[int, re.Match[str], Span]] = field(default_factory=list)


def read_steps(pieces: list[Piece], lines: list[Line], source: Line | None) -> Reading:
    out = Reading()
    grain_words = _grain_words(source)
    handles = {ln.index: _handle(ln) for ln in lines}
    prose = " ".join(p.text for p in pieces)
    # steps that never name the grain or a liquid ("cover and simmer 16 minutes") mean what stands in the list
    state = _State(grain_in=grain_words.search(prose) is None, liquid_in=_LIQUID.search(prose) is None)
    for n, piece in enumerate(pieces):
        durations: list[Duration] = []
        mentions: list[int] = []
        for s in _SENTENCE.finditer(piece.text):
            _sentence(s[0], s.start(), piece, lines, handles, grain_words, state, out, durations, mentions)
        for m in _IN_STEP.finditer(piece.text):
            around = piece.text[max(0, m.start() - 60) : m.end() + 20]
            if not _SOAK.search(around) and not _IF_NEEDED.search(piece.text[max(0, m.start() - 25) : m.end() + 40]):
                out.in_steps.append((n, m, Span(m.start(), m.end())))
        out.steps.append(
            Step(n, piece.text, piece.span, piece.section, tuple(durations), tuple(dict.fromkeys(mentions)))
        )
    _sum_up(out)
    return out


def _sum_up(out: Reading) -> None:
    """Minutes at the heat, of rest and of soak, from the kinds of all durations."""

    def of(kind: str) -> list[float]:
        return [d.typical for st in out.steps for d in st.durations if d.kind == kind]

    out.simmer_min = sum(of("heat")) if of("heat") else None
    out.rest_min = sum(of("rest")) if of("rest") else None
    out.soak_min = max(of("soak"), default=0.0)


def corrected(reading: Reading, corrections: tuple[Correction, ...]) -> Reading:
    """The cook's word on what minutes are for, found again by the step's text and the words of the minutes."""
    said = {(c.line.strip(), c.minutes): c.kind for c in corrections if c.minutes and c.kind}
    if not said:
        return reading
    for kind in said.values():
        if kind not in DURATION_KINDS:
            raise Refusal(
                "kind", "corrections", f"“{kind}” is no use of minutes; choose one of {', '.join(DURATION_KINDS)}."
            )
    reading.steps = [
        replace(
            st, durations=tuple(replace(d, kind=said.get((st.text.strip(), d.text)) or d.kind) for d in st.durations)
        )
        for st in reading.steps
    ]
    _sum_up(reading)
    return reading


@dataclass(slots=True)
class _State:
    grain_seen: bool = False
    grain_in: bool = False
    liquid_in: bool = False
    cooking: bool = False
    off: bool = False


def _sentence(
    s: str,
    at: int,
    piece: Piece,
    lines: list[Line],
    handles: dict[int, re.Pattern[str] | None],
    grain_words: re.Pattern[str],
    state: _State,
    out: Reading,
    durations: list[Duration],
    mentions: list[int],
) -> None:
    soak = bool(_SOAK.search(s))
    # "meanwhile" before the grain is in may well be the grain's own pot being made ready
    aside = bool(_OTHER_PAN.search(s)) and state.cooking or bool(_MEANWHILE.search(s)) and state.grain_in
    grain_at = next((m.start() for m in grain_words.finditer(s)), None)
    rinse_only = (
        bool(re.search(r"\b(?:rinse|wash)\b", s, re.I))
        and not _HEAT.search(s)
        and not re.search(r"\b(?:put|add|tip|pot|pan)\b", s, re.I)
    )
    liquid_before = state.liquid_in
    liquid_at = next((m.start() for m in _LIQUID.finditer(s)), None)
    ready = not soak and not rinse_only and not aside
    if grain_at is not None:
        state.grain_seen = True
    if ready and (
        _ALL_IN.search(s)
        or grain_at is not None
        or state.grain_seen
        and liquid_at is not None
        and re.search(r"\b(?:it|them|(?:add|pour)\b(?:(?!bring).)*)\b", s, re.I)
    ):
        state.grain_in = True
    if ready and (liquid_at is not None or _ALL_IN.search(s)):
        state.liquid_in = True
    found_here = []
    for index, handle in handles.items():
        if handle and handle.search(s):
            mentions.append(index)
            found_here.append(index)
    was_cooking, was_off = state.cooking, state.off
    late = False
    rested = len(s)
    for m in _TIME.finditer(s):
        span = Span(at + m.start(), at + m.end())
        try:
            low, high = _minutes(m)
        except ValueError:
            continue
        wet = (
            liquid_before
            or bool(_ALL_IN.search(s[: m.start()]))
            or (liquid_at is not None and (liquid_at < m.start() or bool(_LIQUID_AFTER.match(s[m.end() :]))))
        )
        kind = _kind(s, m, soak, aside, grain_at, state, wet)
        if kind == "heat":
            if not state.cooking and re.search(r"\b(?:bake|oven)\b", s, re.I):
                out.oven = True
            state.cooking = True
        if kind in ("from_end", "from_start"):
            late = True
        durations.append(Duration(low, high, span, m[0], kind))
        if kind == "rest":
            state.off = True
            rested = min(rested, m.end())
    for m in _MINUTE_N.finditer(s):
        n = float(m["n"])
        durations.append(Duration(n, n, Span(at + m.start("n"), at + m.end("n")), m["n"], "from_start"))
        late = True
    if state.grain_in and state.liquid_in and _HEAT.search(s) and not aside and not state.off and not soak:
        # a boil with no minutes said still means that the pot is under way
        state.cooking = state.cooking or bool(re.search(r"\b(?:simmer|cover)\b", s, re.I))
    if state.cooking and (_OFF.search(s) or (was_cooking and _DRAIN.search(s))):
        state.off = True
        if was_cooking and _DRAIN.search(s):
            out.drained = True
    for index in found_here:
        if index in out.first_mention:
            continue
        if aside:
            out.first_mention[index] = "beside"
        elif (
            was_off
            or _after_the_heat(s, handles[index])
            or _named_after(s, handles[index], rested)
            or (was_cooking and _DONE_WORDS.search(s) and not late)
        ):
            out.first_mention[index] = "after"
        elif late and _is_addition(s, handles[index]) or was_cooking and not out.first_mention.get(index):
            out.first_mention[index] = "cooking"
        else:
            out.first_mention[index] = "pot" if state.grain_in else "before"
    # "stand 10 minutes. fork through the parsley": the mention of a done word after the cooking ends it
    if state.cooking and re.search(r"\b(?:to serve|serve)\b", s, re.I):
        state.off = True


def _after_the_heat(s: str, handle: re.Pattern[str] | None) -> bool:
    """In "off the heat, beat in the cheese" the cheese joins afterwards."""
    off = _OFF.search(s)
    return bool(off and handle and handle.search(s, off.end()))


def _named_after(s: str, handle: re.Pattern[str] | None, at: int) -> bool:
    """In "rest 10 minutes and squeeze the lemon over" the lemon joins afterwards."""
    return bool(handle and at < len(s) and handle.search(s, at) and not handle.search(s[:at]))


def _is_addition(s: str, handle: re.Pattern[str] | None) -> bool:
    """In "add the stock, simmer 16 minutes, chickpeas in for the last 5" only what stands near the late minutes is late."""
    if not handle:
        return False
    m = handle.search(s)
    if not m:
        return False
    tail = re.search(r"\b(?:last|final|minute \d|before the end|after)\b", s, re.I)
    if not tail:
        return False
    between = s[min(m.start(), tail.start()) : max(m.start(), tail.start())]
    return not re.search(r"[,:]", between) or not re.search(r"\b(?:simmer|cook|boil|cover)\b", between, re.I)


def _kind(s: str, m: re.Match[str], soak: bool, aside: bool, grain_at: int | None, state: _State, wet: bool) -> str:
    before, after = s[: m.start()], s[m.end() :]
    clause = re.split(r"[,:]|\bthen\b|\band (?=leave|rest|simmer|cook|stand|let|cover)", before)[-1]
    if _EVERY.search(before):
        return "beside"
    if soak and not re.search(r"\bsoak(?:ed|ing) (?:rice|grain|water|lentils|liquid)", s, re.I):
        return "soak"
    if aside:
        return "beside"
    if _FROM_END.search(before) or _BEFORE_END.search(after):
        return "from_end"
    together = state.grain_in and wet
    if state.cooking and _LEFT.search(before):
        return "rest"
    if _AFTER_N.search(before):
        adds = re.search(r"\b(?:add|stir in|tip in|scatter|lay|throw|put)\b", s, re.I)
        return "from_start" if adds and together else "beside"
    if _REST.search(clause) or (_REST.search(before.split(",")[-1])) or (state.off and _REST.search(s)):
        return "rest" if state.grain_in else "beside"
    if state.off and not re.search(r"\b(?:return|back)\b", s, re.I):
        return "beside"
    if together and (grain_at is None or state.cooking or grain_at < m.start() or _LIQUID.search(s)):
        if _HEAT.search(s):
            return "heat"
        return "unknown"
    return "before"


def _minutes(m: re.Match[str]) -> tuple[float, float]:
    if m["words"]:
        word = m["words"].lower()
        n = {"half an hour": 30.0, "an hour and a half": 90.0, "a quarter of an hour": 15.0, "overnight": 600.0}[word]
        return n, n
    if m["hh"]:
        low, high = number_range(m["hh"])
        extra = float(m["hm"] or 0) + (30 if m["half"] else 0)
        return low * 60 + extra, high * 60 + extra
    return number_range(m["mm"])


def _grain_words(source: Line | None) -> re.Pattern[str]:
    words = {"rice", "grain", "grains"}
    if source and source.grain:
        from ..grains import grain

        g = grain(source.grain)
        words |= {g.short, g.name, *(w for w in g.aliases)}
    body = "|".join(re.escape(w) for w in sorted(words, key=len, reverse=True))
    return re.compile(rf"(?<![\w-])(?:{body})(?![\w-])(?!\s+(?:vinegar|wine|cooker|flour|paper|noodles?))", re.I)


_DULL = word_list("dull")


def _handle(line: Line) -> re.Pattern[str] | None:
    """The words by which the steps are likely to speak of this line: its last telling word, singular or plural."""
    if line.grain:
        return _grain_words(line)
    words = [w for w in re.findall(r"[^\W\d_]+", line.name.lower()) if len(w) > 2 and w not in _DULL]
    if not words:
        words = [w for w in re.findall(r"[^\W\d_]+", line.name.lower()) if len(w) > 2]
    if not words:
        return None
    stems = [_stem(words[-1])]
    if len(words) > 1 and words[-1] in (
        "leaves",
        "leaf",
        "pods",
        "seeds",
        "sticks",
        "stick",
        "cloves",
        "clove",
        "powder",
        "strands",
        "florets",
        "threads",
        "cubes",
        "cube",
    ):
        stems = [_stem(words[-2])]
    return re.compile(r"(?<![\w-])(?:" + "|".join(re.escape(s) for s in stems) + r")(?:s|es|ies|ves|y)?(?![\w-])", re.I)


def _stem(word: str) -> str:
    for end in ("oes", "ies"):
        if word.endswith(end):
            return word[:-2] if end == "oes" else word[:-3]
    return (
        word[:-1]
        if word.endswith("s") and not word.endswith("ss")
        else word.removesuffix("y")
        if len(word) > 5
        else word
    )


def stated_liquid(m: re.Match[str], measures: Measures) -> tuple[float, float | None]:
    """(quantity, ml) of a liquid whose amount stands only in a step."""
    low, high = number_range(m["n"])
    amount = make_amount(low, high, canonical_unit(m["unit"]) or "", measures)
    return amount.value, amount.ml


def grains_in_steps(pieces: list[Piece]) -> list[tuple[int, int, int, int, str, str, str]]:
    """Amounts of grain that only a step states: (step, start, end, unit's end, amount, unit, slug); places in the step's text."""
    found = []
    for n, piece in enumerate(pieces):
        for g in find_grains(piece.text):
            before = piece.text[max(0, g.span.start - 60) : g.span.start]
            hits = list(_GRAIN_IN_STEP.finditer(before + "x"))
            if hits and not re.search(r"[.;,]", before[hits[-1].end("unit") :]):
                m = hits[-1]
                shift = g.span.start - len(before)
                found.append((n, shift + m.start(), g.span.end, shift + m.end("unit"), m["n"], m["unit"], g.slug))
    return found


def others_in_steps(pieces: list[Piece], taken: list[tuple[int, int, int]]) -> list[tuple[int, int, int, str]]:
    """Other things with an amount in the prose: (step, start, end, text)."""
    found = []
    for n, piece in enumerate(pieces):
        for m in _OTHER_IN_STEP.finditer(piece.text):
            if not any(step == n and m.start() < end and start < m.end() for step, start, end in taken):
                found.append((n, m.start(), m.end(), m[0]))
    return found


def relation(text: str) -> tuple[float, int, int] | None:
    """(times the grain's volume, start, end) of a relational amount of liquid, or None."""
    m = RELATION.search(text)
    if not m:
        return None
    if m["same"]:
        return 1.0, m.start(), m.end()
    if m["double"]:
        return 2.0, m.start(), m.end()
    try:
        low, high = number_range(m["times"])
    except ValueError:
        return None
    return (low + high) / 2, m.start(), m.end()
