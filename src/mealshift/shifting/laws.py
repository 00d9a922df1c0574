"""The laws a rewritten recipe keeps, looked at on every shift before it is shown. A broken one is said, with the part it is about: never a contradiction in silence.

1 ingredients   each of the recipe's once, none invented but what the shift names          5 words     no source grain left, no doubled word, no wrong plural
2 water         what is poured is in the list and in the jug; no dry grain without any     6 minutes   the text says the minutes of the strip and the ledger
3 order         one soak, one cooking, one rest, in the track's order                      7 read back the text, read again, gives the target
4 the others    what is not the grain's keeps its minutes
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..grains import grain
from ..measures import WHISTLE_MIN, jug_ml, round_half_up
from ..process import Operation
from ..quick import lazy
from ..reading.ingredients import handle
from ..reading.names import find_grains
from ..reading.own_measures import with_its_vessel_known
from ..reading.pours import TO_MAKE
from ..recipe import Line, Recipe
from ..text.amounts import parse
from ..text.plain import plain
from .backwards import carriers
from .cookings import finishing
from .kept import left_out
from .wording import of_line

if TYPE_CHECKING:
    from .shift import Shift

# phases of the grain's own minutes; every other operation keeps its own
_MINE = frozenset({"heat", "rest", "soak", "toast", "whistles", "from_start"})
_DOUBLED = lazy(r"\b([^\W\d_]{3,}) \1\b", re.I)
_ONE_OF_MANY = lazy(r"(?<![\d.,/½¼¾⅓⅔-])1 (?:whistles|minutes|cups|hours|glasses|mugs)\b")
_SLUG = lazy(r"\b[a-z]+-(?:millet|barley|rice|meal)-[a-z]+\b")
LEAST_DRY_G, LEAST_POUR_ML = 30.0, 20
# what the rounding to a cook's words may differ by
MINUTES, SHARE = 1.5, 0.06
POURED_ML, POURED = 15.0, 0.07
AMOUNT = 0.12


@dataclass(frozen=True, slots=True)
class Broken:
    """law: its name; text: what is wrong, in a sentence; where: the words it is about, "" if it is about the whole."""

    law: str
    text: str
    where: str = ""


def broken(s: Shift) -> list[Broken]:
    """Laws 1 to 6. A shift to the same grain the same way breaks none: every word is the recipe's."""
    if s.same and s.pot.way == s.own.way:
        return []
    return [*_ingredients(s), *_water(s), *_order(s), *_others(s), *_named(s), *_words(s), *_minutes(s)]


def _ingredients(s: Shift) -> Iterator[Broken]:
    was = [ln.was for ln in s.lines if ln.was is not None]
    if Counter(was) != Counter(ln.text for ln in s.recipe.lines):
        yield Broken(
            "ingredients",
            "An ingredient of the recipe is missing or stands twice in the new list: compare it with the old one.",
        )
    for ln in s.lines:
        joined = ln.role == "source_grain" and ln.because
        if ln.was is not None and not ln.text.strip() and not joined:
            yield Broken("ingredients", "This ingredient was lost; it is still wanted.", ln.was)


def _water(s: Shift) -> Iterator[Broken]:
    pot = s.pot
    if pot.pour_ml < LEAST_POUR_ML and pot.dry_g > LEAST_DRY_G and not s.own.line.cooked and pot.way.method != "steam":
        yield Broken(
            "water",
            f"Nothing is poured for {round_half_up(pot.dry_g)} g of dry grain: the other liquids are to do it. Look early, with hot water beside it.",
        )
    yield from _poured(s)
    for ln in s.lines:
        if re.match(r"0 (?:ml|g|l)\b", ln.text):
            yield Broken("water", "An amount came to nothing here: leave it as the recipe has it.", ln.was or ln.text)


def _poured(s: Shift) -> Iterator[Broken]:
    """What the list says is poured, read as a cook reads it, is what the jug holds."""
    mine = carriers(s.recipe)
    told = [(ln, new) for ln in mine for new in s.lines if new.was == ln.text and new.text != ln.text]
    if not told or len(told) < len(mine):
        return
    for ln, _ in told:
        if stale := _still_said(ln, s):
            yield Broken("water", f"“{stale}” is the recipe's old amount here: go by the list.", stale)
    said = 0.0
    for ln, new in told:
        told_here = plain(with_its_vessel_known(new.text, ln))
        total = TO_MAKE.search(told_here)
        item = parse(told_here, total.start("a") if total else 0, len(told_here), of_line(ln, s.measures))
        if item.ml is None and item.g is None:
            yield Broken(
                "water",
                f"How much this is I could not say; the jug holds {jug_ml(s.pot.pour_ml)} ml: go by the jug.",
                new.text,
            )
            return
        said += item.ml if item.ml is not None else item.g or 0.0
    if abs(said - s.pot.pour_ml) > max(POURED_ML, POURED * s.pot.pour_ml):
        yield Broken(
            "water",
            f"The list pours {jug_ml(said)} ml, the jug holds {jug_ml(s.pot.pour_ml)}: go by the jug.",
            told[0][1].text,
        )


def _still_said(ln: Line, s: Shift) -> str:
    """The words of a step that still say a liquid's old amount beside its name; "" if none do."""
    words = ln.text[ln.amount_span.start : ln.amount_span.end] if ln.amount_span else ""
    p = handle(ln)
    if not re.search(r"\d", words) or p is None or ln.section.startswith("step "):
        return ""
    body = r"\s*".join(re.escape(w) for w in words.split())
    for st in s.method.steps:
        for m in re.finditer(rf"(?<![\d.,/]){body}(?![\w.])(?P<after>[^.;,]{{0,24}})", st.text, re.I):
            if st.kept or re.search(r"\bif\b|\bmore\b", m["after"]):
                continue
            if any(a < m.end() and m.start() < b for a, b in st.marks):
                # the new amount of a part, which is what the whole was
                continue
            # "Add water to cover by an inch (about 4 cups)"
            told = re.search(r"[^.;!?()]*\([^.;!?()]{0,16}$", st.text[: m.start()])
            if p.search(m["after"]) or (told and p.search(told[0])):
                return m[0].strip()
    return ""


def _order(s: Shift) -> Iterator[Broken]:
    ops = [o for o in s.process.operations if o.basis != "retired"]
    inserted = Counter(o.kind for o in ops if o.basis == "inserted")
    # what is baked when it is cooked is no second cooking
    after = {o.id for o in finishing(s.recipe)}
    said = Counter(o.phase for o in ops if o.basis != "inserted" and o.told and o.id not in after)
    if inserted["rest"] and said["rest"]:
        yield Broken("order", "The grain rests twice as it stands: once is enough.")
    if inserted["soak"] and said["soak"]:
        yield Broken("order", "The grain is soaked twice as it stands: once is enough.")
    if inserted["cook"] and said["heat"] and not s.own.line.cooked:
        yield Broken("order", "The grain is cooked twice as it stands: go by the inserted step.")
    told = " ".join(st.text for st in s.method.steps)
    for o in ops:
        # within a sentence it begins small and ends without a stop
        if o.basis == "inserted" and o.text[1:].rstrip(".") not in told and not s.choice.as_was:
            yield Broken("order", "This found no place in the text: do it all the same.", o.text)
    yield from _in_its_place(s, ops)
    at = {o.id: i for i, o in enumerate(ops)}
    off = next((i for i, o in enumerate(ops) if o.kind == "rest" and o.basis == "inserted"), None)
    look = next((at[o.id] for o in ops if o.kind == "look" and o.basis == "inserted"), None)
    if off is not None and look is not None and look > off and not s.pot.way.locked:
        yield Broken("order", "The look stands after the rest: look before you turn the heat off.")


def _in_its_place(s: Shift, ops: list[Operation]) -> Iterator[Broken]:
    """What is put in is read before the cooking that comes after it in the pot, and behind the one before it."""
    begins: dict[str, tuple[int, int]] = {}
    ends: dict[str, tuple[int, int]] = {}
    for n, st in enumerate(s.method.steps):
        begins |= {id_: (n, start) for id_, start, _ in st.places}
        ends |= {id_: (n, end) for id_, _, end in st.places}
    heats = [i for i, o in enumerate(ops) if o.phase in ("heat", "whistles") and o.id in begins]
    for i, o in enumerate(ops):
        if o.basis != "inserted" or not heats:
            continue
        words = o.text[1:].rstrip(".")
        told = ((n, (st.full or st.text).find(words)) for n, st in enumerate(s.method.steps))
        stands = [p for p in told if p[1] >= 0]
        before = next((begins[ops[h].id] for h in reversed(heats) if h < i), None)
        after = next((ends[ops[h].id] for h in heats if h > i), None)
        if stands and not any((before is None or p >= before) and (after is None or p < after) for p in stands):
            yield Broken("order", "This does not stand where it is done: go by the plan.", o.text)


def _others(s: Shift) -> Iterator[Broken]:
    for o in s.process.operations:
        if o.was and o.phase not in _MINE:
            yield Broken("the others", "These minutes are not the grain's and should stay as they were.", o.text)


def _named(s: Shift) -> Iterator[Broken]:
    new = " ".join(st.full or st.text for st in s.method.steps)
    for left in left_out(s.recipe, s.process.operations):
        words = handle(left.line)
        if words is not None and not words.search(new):
            yield Broken("ingredients", "No step puts this in any more; it is still wanted.", left.line.text)


def _words(s: Shift) -> Iterator[Broken]:
    old = " ".join(st.text for st in s.recipe.steps) + " " + " ".join(ln.text for ln in s.recipe.lines)
    others = {ln.grain for ln in s.recipe.lines if ln not in s.own.lines}
    for st in s.method.steps:
        if not st.text:
            continue
        left = [
            f
            for f in find_grains(st.text)
            if (f.generic or grain(f.slug).family == "rice") and f.slug not in others and s.pot.grain.family != "rice"
        ]
        if left and not s.same and not others & {g for g in others if g and grain(g).family == "rice"}:
            yield Broken("words", f"“{left[0].text}” still stands here: read it as {s.pot.grain.name}.", st.text)
        for m in _DOUBLED.finditer(st.text):
            if m[0] not in old:
                yield Broken("words", f"“{m[0]}” is one word too many.", st.text)
    for text in (*(st.text for st in s.method.steps), *(ln.text for ln in s.lines), s.title.text):
        odd = _ONE_OF_MANY.search(text) or _SLUG.search(text)
        if odd and odd[0] not in old:
            yield Broken("words", f"“{odd[0]}” is not how a cook says it.", text)


def _minutes(s: Shift) -> Iterator[Broken]:
    ops = [o for o in s.process.operations if o.basis != "retired"]
    heat = sum(o.typical_min or 0.0 for o in ops if o.phase == "heat" and (o.told or o.basis == "inserted" or o.span))
    each = s.pot.kitchen.whistle_min
    counted = [o.typical_min or 0.0 for o in ops if o.phase == "whistles"]
    slack = max(MINUTES, SHARE * s.pot.cook_typical, each if counted else 0.0)
    if heat and not abs(heat + sum(counted) * each - s.pot.cook_typical) <= slack:
        heat += sum(counted) * each
        yield Broken(
            "minutes",
            f"The steps add up to {round_half_up(heat)} minutes at the heat, the pot wants {s.pot.cook_typical}: go by the pot.",
        )


def read_back(s: Shift, again: Recipe) -> list[Broken]:
    """Law 7: the rewritten text, read again."""
    out = []
    line, pot = again.source_line, s.pot
    if line is None or line.grain is None:
        return [Broken("read back", "Read again, no grain is found in the new text: check its first lines.")]
    if any(ln.grain and ln.text == line.text for ln in s.recipe.lines if ln not in s.own.lines):
        # the recipe's other rice, left as it was: read anew it is the rice to be shifted, and which is meant is asked
        return []
    if line.grain not in {pot.grain.slug, *(p.grain.slug for p in s.aside), *(g.slug for g, _ in pot.grain.parts)}:
        out.append(
            Broken(
                "read back",
                f"Read again, the grain would be {grain(line.grain).name}: another of the lines is taken for it.",
                line.text,
            )
        )
    if line.g and not (s.aside or pot.grain.parts or line.cooked) and abs(line.g - pot.dry_g) > AMOUNT * pot.dry_g:
        out.append(
            Broken(
                "read back",
                f"Read again, it would be {round_half_up(line.g)} g of grain, and {round_half_up(pot.dry_g)} g are meant: go by the pot.",
                line.text,
            )
        )
    low, high = pot.cook_typical * 0.85 - MINUTES, pot.cook_typical * 1.15 + MINUTES
    heat = again.simmer_min
    if heat is not None and again.whistles:
        # a whistle more or less is as near as whistles come
        heat += again.whistles * (pot.kitchen.whistle_min - WHISTLE_MIN)
        low, high = low - pot.kitchen.whistle_min, high + pot.kitchen.whistle_min
    if pot.cook_typical and not (heat is not None and low <= heat <= high):
        said = f"{round_half_up(heat)} minutes" if heat else "no minutes"
        out.append(
            Broken(
                "read back",
                f"Read again, the steps give {said} at the heat, the pot wants {pot.cook_typical}: go by the pot.",
            )
        )
    # what is only spread out to cool does not rest
    rest = 0.0 if pot.way.row.rest_fixed else pot.rest_min
    if abs((again.rest_min or 0.0) - rest) > 2:
        out.append(
            Broken(
                "read back",
                f"Read again, it rests {round_half_up(again.rest_min or 0)} minutes, the pot wants {round_half_up(rest)}: go by the pot.",
            )
        )
    if abs(again.soak_min - pot.way.soak_min) > 2:
        out.append(
            Broken(
                "read back",
                f"Read again, it soaks {round_half_up(again.soak_min)} minutes, the pot wants {round_half_up(pot.way.soak_min)}: go by the pot.",
            )
        )
    return out
