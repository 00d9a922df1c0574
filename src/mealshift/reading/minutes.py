"""What each stretch of minutes in the steps is for: a trained tagger that carries the pot's state along.

Kinds: heat (the grain at the heat with its liquid) · come_up · rest · release · soak · pan (the grain's pot before the grain's liquid) · toast (the
grain in the pan) · from_end · from_start · whistles · other. The tagger sees the words of the clause and of those beside it, what has happened to the
pot so far (is the grain in, is liquid in, is the heat off), how the number lies to the grain's usual minutes, and the kinds before it.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ..quick import lazy, quick
from ..recipe import Line
from ..text.sentences import sentences
from ..text.times import Stretch, stretches
from .clauses import Clause, clause_at, rule_kind
from .crf import Tagger
from .entry import entered, entry, of_sentence
from .names import as_rice, find_grains
from .pot_words import CLASS, WORD, classes, of_words
from .told_minutes import Block, Place, Timed, together, told, whistled

# letters on either side of a stretch that are looked at; no sentence of a recipe is longer
NEAR = 600
KINDS = ("heat", "come_up", "rest", "release", "soak", "pan", "toast", "from_end", "from_start", "whistles", "other")

_CLAUSE = lazy(r"[,:–—]|\s-\s|\bthen\b|\band\b|\buntil\b|\bor\b|\(")
_FEW = "one|two|three|four|five|six|seven|eight|nine|ten|twelve"
WHISTLES = quick(
    rf"\b(?P<n>\d{{1,2}}(?:\s*(?:-|–|to|or)\s*\d{{1,2}})?|(?:{_FEW})(?:\s*(?:-|–|\bto\b|\bor\b|,)?\s*(?:{_FEW})\b)?|a couple of|a)\s*(?:more |full |long )?(?:whistles?|seetis?|seeti|sitis?|citi|hisses)\b|\bwhistles?\s*[-x:]?\s*(?P<m>\d{{1,2}})\b",
    re.I,
)

_PLACE = {
    "microwave": lazy(r"\bmicrowav\w*", re.I),
    "cooker": lazy(r"\brice[- ]cooker\b", re.I),
    "oven": lazy(r"\b(?:oven|bake|baked|baking)\b", re.I),
    "pressure": lazy(r"\b(?:pressure|whistles?|instant pot|npr)\b", re.I),
    "steamer": lazy(r"\bsteam(?:er|ing basket)\b", re.I),
    "slow": lazy(r"\b(?:slow[- ]cooker|crock[- ]?pot)\b", re.I),
}


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
    enters = entry(found)
    cookers = any(_COOKERS.search(b.text) for b in blocks)
    pressed = any(_PLACE["pressure"].search(b.text) for b in blocks)
    for i, ((n, s), (kind, sure)) in enumerate(zip(places, got, strict=True)):
        # what is no whistle is none, whatever stands beside it
        others = tuple(x for x in tagger.others(i, 0.01) if x[0] not in (kind, "whistles"))[:5]
        if kind == "whistles" != s.unit + "s":
            (kind, sure), others = (others[0], others[1:]) if others else (("heat", sure), ())
        place = Place(blocks, found, n, s, kind, sure, others, out, enters, sorts, cookers, pressed, steeps)
        if s.unit == "whistle":
            out = whistled(place)
        else:
            out.append(told(place))
    return together(out, blocks)


def not_in(timed: list[Timed], found: Sequence[Clause], vessels: frozenset[int]) -> list[Timed]:
    """What is told of these vessels is not the grain's: another one cooks in them."""
    out = []
    for t in timed:
        at = clause_at(found, t.block, t.stretch.start) if vessels else None
        if at is not None and found[at].vessel in vessels and t.kind in ("heat", "rest", "release", "come_up", "toast"):
            t = replace(t, kind="other", sure=0.8, others=((t.kind, 0.2),))
        out.append(t)
    return out


def head_starts(timed: list[Timed], found: Sequence[Clause], lines: Sequence[Line], mine: Line | None) -> list[Timed]:
    """ "Add the wild rice, cook 15 minutes, then add the basmati": what another raw grain of the recipe gets before the one to be shifted goes in is its own."""
    others = {ln.grain for ln in lines if ln.grain and not ln.cooked and mine is not None and ln.grain != mine.grain}
    if mine is None or mine.cooked or not others:
        return timed
    # "white rice" is the long one here, and "rice" may be any
    named = [frozenset(f.slug for f in find_grains(c.text) if not f.generic or " " in f.text) for c in found]
    first = next((i for i, slugs in enumerate(named) if slugs & others and found[i].verb == "add"), None)
    puts = ("add", "stir", "combine", "")
    enters = next((i for i, slugs in enumerate(named) if mine.grain in slugs and found[i].verb in puts), None)
    if enters is None or first is None or first >= enters or any(mine.grain in s for s in named[first:enters]):
        return timed
    out = []
    for t in timed:
        at = clause_at(found, t.block, t.stretch.start)
        if t.kind == "heat" and at is not None and first <= at < enters:
            t = replace(t, kind="other", sure=0.85, others=(("heat", 0.15),))
        out.append(t)
    return out


_COOKERS = quick(
    r"\bcookers?\b|\bRC\b|\b(?:white|brown|mixed|sushi|plain|regular|normal|start|cook) button\b|\b(?:press|hit|push)(?:es|ed)? (?:the |down )?(?:cook|start|switch|button)\b",
    re.I,
)


def places_of(blocks: Sequence[Block]) -> list[tuple[int, Stretch]]:
    """Every stretch of minutes with the step it stands in; whistles among them."""
    found = []
    for n, b in enumerate(blocks):
        mine = list(stretches(b.text[:6000]))[:40]
        for m in WHISTLES.finditer(b.text[:6000]):
            low, high = _count(m["n"] or m["m"])
            # "for 2 more whistles" are no two minutes
            mine = [s for s in mine if s.end <= m.start() or m.end() <= s.start]
            mine.append(Stretch(m.start(), m.end(), low, high, m[0], "whistle"))
        found += [(n, s) for s in sorted(mine, key=lambda s: s.start)]
    return found


_COUNTS = {w: float(n) for n, w in enumerate(_FEW.split("|")[:10], 1)} | {"twelve": 12.0, "couple": 2.0, "a": 1.0}


def _count(said: str) -> tuple[float, float]:
    """ "5", "4-5", "four to five", "two three" whistles."""
    words = re.findall(r"\d+|[a-z]+", said.lower())
    numbers = [float(w) for w in words if w.isdigit()] or [_COUNTS[w] for w in words if w in _COUNTS and w != "a"]
    return min(numbers, default=1.0), max(numbers, default=1.0)


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
    enters = entry(found)
    grains_at, grain_total = [], 0
    for block in blocks:
        grains_at.append(_Mentions([m.start() for m in CLASS["GRAIN"].finditer(block.text)], grain_total))
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
        if len(WORD.findall(clause)) < 2:
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
            [f"c:{x}" for x in classes(clause)]
            + [f"b:{x}" for x in classes(before)]
            + [f"a:{x}" for x in classes(after)]
        )
        fs += (
            [f"t:{x}" for x in classes(tail)]
            + [f"p:{x}" for x in classes(before_words)]
            + [f"n:{x}" for x in classes(following)]
        )
        wb, wa = [w.lower() for w in WORD.findall(as_rice(before))], [w.lower() for w in WORD.findall(as_rice(after))]
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
            [f"cw={w.lower()}" for w in dict.fromkeys(WORD.findall(as_rice(clause)))]
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
            fs.append(f"enters={entered(found, j, enters)}")
            named = sorted({sorts[x] for o in of_sentence(found, j) for x in o.lines if x < len(sorts)})
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
        fs += [f"sec:{x}" for x in classes(sec)] if sec else ["sec:none"]
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
    words = WORD.findall(text.lower())
    return [k for w in words for k in of_words(w) if k in _THINGS]


def _last_thing(text: str) -> str:
    found = _things_in(text)
    return found[-1] if found else ""


def _first_thing(text: str) -> str:
    found = _things_in(text)
    return found[0] if found else ""


def _bucket(minutes: float) -> int:
    edges = (0.9, 1.6, 3.2, 5.5, 8.5, 10.5, 13, 16, 21, 31, 46, 61, 125, 400, 1000)
    return next((i for i, e in enumerate(edges) if minutes <= e), len(edges))


def _sentence_of(spans: Sequence[tuple[int, int]], at: int) -> int:
    return next((i for i, (a, b) in enumerate(spans) if at < b), max(0, len(spans) - 1))


_BOILS = quick(r"\bboil", re.I)
_OFF_NOW = quick(
    r"\b(?:off the (?:heat|stove|burner|flame|fire)|from (?:the )?heat|(?:heat|fire|flame|stove|gas) off|off heat|turn(?:ed)? (?:it |the \w+ )?off|switch(?:ed)? (?:it )?off|kill the heat|from the oven|out of the oven)\b",
    re.I,
)
_OFF_SHOUT = quick(r"\bOFF\b")
_ON_AGAIN = quick(r"\b(?:return|back (?:on|to)|heat the|in a (?:pan|skillet|wok)|oil)\b", re.I)


def _advance(state: dict[str, bool], text: str) -> None:
    """What a stretch of text does to the grain's pot."""
    found = set(classes(text))
    if "SOAK" in found:
        state["soak"] = True
    if "GRAIN" in found and found & {"ADD", "STIR", "HEAT", "BOILUP", "FRY", "COVER"} and "SOAK" not in found:
        state["grain"] = True
    if found & {"LIQUID"} and found & {"ADD", "BOILUP", "HEAT", "COVER"} and "SOAK" not in found:
        state["wet"] = True
    if "BOILUP" in found or _BOILS.search(text):
        state["boil"] = True
    if "COVER" in found:
        state["cover"] = True
    if "DRAIN" in found and state["wet"]:
        state["drain"] = True
    if _OFF_NOW.search(text) or _OFF_SHOUT.search(text):
        state["off"] = True
    elif state["off"] and _ON_AGAIN.search(text):
        state["off"] = False
