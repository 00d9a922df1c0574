"""The ingredient list for the new grain: its amount and name, the liquids that carry the change, salt by cooked mass."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from ..grains import Grain
from ..measures import (
    RANGE_PATTERN,
    UNIT_PATTERN,
    Amount,
    Measures,
    canonical_unit,
    jug_ml,
    make_amount,
    number_range,
    round_half_up,
    unit_kind,
)
from ..pot import Pot
from ..pot.ways import cap
from ..process import Span
from ..quick import found_in, lazy, quick
from ..reading.dish import grain_lines
from ..reading.ingredients import COOKED_IN, is_cooked, used_of_it
from ..reading.instead import of_another_amount, without
from ..reading.names import find_grains, kind_of_rice, with_kind, with_kind_after
from ..reading.otherwise import another_batch, for_another
from ..reading.pours import KEPT, SUMS
from ..reading.words import word_list
from ..recipe import Line, Recipe, once
from ..text.amounts import AMOUNT
from .backwards import UNRINSED, carriers
from .wording import Edit, Edited, apply, in_manner, nearest, of_line, said_grain, said_liquid, said_quantity

# a salt or stock line is left alone while the cooked mass moves less than this
NOTICEABLE = 0.08


# a liquid grown by more than this was not the pot's
MOST_TIMES = 4.0
# less than this is not poured at all
LEAST_ML = 5.0
# … and no line of the list is added for a spoonful
LEAST_ADDED_ML = 15.0
_COOKED_WORDS = lazy(
    r",?\s*\b(?:(?:cold|leftover|left-over|day-old|chilled|freshly|already|pre-?|well[- ])*\s*(?:cooked|boiled|steamed|cold|leftover|left-over|day-old)(?:,? (?:and|then|&|n) (?:cooled|chilled|cold))?)\b\s*",
    re.I,
)


_RAW_SIZE = lazy(r"\s*\([^()]*\d[^()]*\b(?:uncooked|raw|dry)\b[^()]*\)", re.I)
# a liquid that the list names without saying how much, or by a line of the pot alone
_NO_AMOUNT = lazy(
    r"(?:(?:mushrooms?|shiitake|porcini|kombu) soaking |)(?:(?:cold|hot|boiling|some|chicken|vegetable|veg|beef|fish|dashi) ){0,2}(?:water|stock|broth|dashi|yakhni|air|agua|água|acqua|eau|wasser|vatten)\b(?! (?:powder|granules|cubes?|chestnuts?|spinach|melon|(?:for|to) (?:the )?(?:soak|wash|rins|steam)))",
    re.I,
)
_BY_A_LINE = lazy(r"\b(?:line|mark|level|knuckle|garis|tanda|línea|linea|marca|nivel)\b", re.I)


# "water to the 3 line (less 3 tbsp)", "water, to cover by 2 cm"
_TO_A_LINE = lazy(
    r"\s*,?\s*(?:up )?to the (?:\d[\d½¼¾./]*|second|third|first) (?:cup )?(?:line|mark)\b(?: (?:for|of) [^(),;\d]{2,24}?(?=\s*(?:[(,;]|$)))?",
    re.I,
)
# "to the SUSHI line for 2, ≈ 380 ml"
_TO_ITS_LINE = lazy(r"(?:up )?to the [^\W\d_][^(),;|\d]{0,16}\b(?:line|mark) (?:for|of) \d+\s*,?\s*", re.I)
# "water, until the scale of 2 go"
_OR_SO_MUCH = lazy(r"\s*,?\s*or\s+(?=(?:about |abt |~ ?|ca\.? )?\d)", re.I)
_SCALE_OF = lazy(r"(?:until|till|up to|to) (?:the )?(?:scale|mark|line|level) (?:of|for) $", re.I)
_SIGN_SAID = lazy(r"\s*[,(]?\s*(?:(?:up )?(?:to|as|enough|by)|sampai|hingga|hasta)\b.*$", re.I)


@dataclass(frozen=True, slots=True)
class NewLine:
    """One ingredient of the shifted recipe. was: the old text, None if it is new; text "" if it is dropped. in_step: only the steps name it, so
    the recipe's own list does not hold it. is_sum: no thing of its own, but what other lines come to, or a part of one."""

    text: str
    was: str | None
    role: str
    marks: tuple[tuple[int, int], ...] = ()
    because: str = ""
    olds: tuple[str, ...] = ()
    in_step: bool = False
    section: str = ""
    is_sum: bool = False

    def placed(self, line: Line) -> NewLine:
        """Where the recipe has the line it comes from: in a part of its list, or in a step."""
        in_step = line.section.startswith("step ")
        text = self.text
        if in_step and text and line.carrier and line.name not in SUMS and line.name.lower() not in text.lower():
            # "keep 1.2 litres ready", of the broth that the sentence speaks of
            text = f"{text} {line.name}"
        if text == self.text and not (in_step or line.section):
            return self
        return replace(
            self,
            text=text,
            in_step=in_step,
            section="" if in_step else line.section,
            is_sum=in_step and line.name in SUMS,
        )


@dataclass(frozen=True, slots=True)
class Amounts:
    """The numbers the rewriting works from. scale: servings now over servings then. mass: cooked mass now over then. others_ml: the recipe's liquids that are
    no carriers."""

    target: Grain
    dry_ml: float
    scale: float
    mass: float
    pour_ml: float
    carrier_was_ml: float
    same: bool
    locked: bool = False
    others_ml: float = 0.0
    # is the grain soaked now?
    soaks: bool = True
    # has the list a line of water that the recipe had not?
    adds_water: bool = False

    @property
    def trusted(self) -> bool:
        """A liquid that is a small part of what the grain needs, for as many at the table and with the milk beside it, is not the water of the pot: "to the 2
        mark, minus two spoonfuls"."""
        return self.pour_ml / max(1.0, self.scale) + self.others_ml <= MOST_TIMES * (
            self.carrier_was_ml + self.others_ml
        )

    def carrier(self, ml: float) -> float:
        """A carrier's new volume: the pour shared as the recipe shared it."""
        return ml * self.pour_ml / self.carrier_was_ml if self.carrier_was_ml and self.trusted else ml * self.scale

    @property
    def dry_g(self) -> float:
        return self.dry_ml * self.target.density


def in_parts(lines: Sequence[NewLine]) -> list[NewLine]:
    """The list as it is shown: what stands under no heading comes before all that does. "marinade: 3 tbsp soy" names its line alone, and nothing would end it."""
    first = next((k for k, ln in enumerate(lines) if ln.section), len(lines))
    free = [not ln.section and ln.was is not None and not ln.in_step for ln in lines]
    plain = [ln for k, ln in enumerate(lines) if k > first and free[k]]
    if not plain:
        return list(lines)
    rest = [ln for k, ln in enumerate(lines) if k > first and not free[k]]
    return [*lines[:first], *plain, lines[first], *rest]


def rewrite_lines(
    recipe: Recipe, a: Amounts, measures: Measures, cooked_g: float, aside: tuple[Pot, ...] = (), drained: bool = False
) -> list[NewLine]:
    out = []
    carried = frozenset(ln.index for ln in carriers(recipe))
    grains = grain_lines(recipe)
    whole = sum(ln.ml or 0.0 for ln in grains)
    shares = {ln.index: (ln.ml or 0.0) / whole if whole else 1.0 for ln in grains}
    for ln in recipe.lines:
        new = _rewrite(ln, recipe, a, measures, cooked_g, carried, shares)
        out.append((new if a.same and a.scale == 1 else _of_one_batch(new)).placed(ln))
        if ln.index == recipe.source:
            out += [_aside_line(ln, p, measures) for p in aside]
    line = recipe.source_line
    tins = [ln for ln in carriers(recipe) if beyond_tin(ln, a)]
    if tins:
        said = f"{jug_ml(sum(beyond_tin(ln, a) for ln in tins))} ml water"
        last = max(k for k, n in enumerate(out) if n.was in {ln.text for ln in tins})
        because = "what this grain drinks beyond the tins, which are opened whole"
        out.insert(last + 1, NewLine(said, None, "pot_liquid", ((0, len(said)),), because, section=out[last].section))
    if (
        line is not None
        and not (line.cooked and a.same)
        and (not a.carrier_was_ml or not a.trusted)
        and a.pour_ml >= LEAST_ADDED_ML
    ):
        said = f"{jug_ml(a.pour_ml)} ml {'water' if line.cooked or drained else _liquid_said(recipe)}"
        sized = {ln.text for ln in recipe.lines if (ln.ml or ln.g) and not _BY_A_LINE.search(ln.text)}
        unsaid = next(
            (
                k
                for k, n in enumerate(out)
                if _NO_AMOUNT.match(n.text) and n.text == n.was and n.was not in sized and not line.cooked
            ),
            None,
        )
        if unsaid is not None:
            # "water to the 3 line": here is how much that is
            was = out[unsaid]
            plain = _SIGN_SAID.sub("", was.text).rstrip(" :–-")
            told = f"{plain}: {jug_ml(a.pour_ml)} ml"
            mark = ((len(plain), len(told)),)
            out[unsaid] = replace(
                was,
                text=told,
                marks=mark,
                olds=(was.text[len(plain) :].strip(),),
                because="for this grain it is no line and no finger, but this",
            )
            return out
        new = NewLine(
            said,
            None,
            "pot_liquid",
            ((0, len(said)),),
            f"to cook the {a.target.short} in, in the first steps"
            if line.cooked
            else "plenty, to boil it in and pour off"
            if drained
            else "the recipe's other liquids do not cover what this grain drinks",
            section="" if line.section.startswith("step ") else line.section,
        )
        # at the end of the part that holds the grain, not of the sauce's, nor behind a part that is named on its line
        first = next((k for k, n in enumerate(out) if n.section), len(out)) if not new.section else len(out)
        mine = [k for k, n in enumerate(out) if n.section == new.section and not n.in_step]
        last = max((k for k in mine if k < first), default=max(mine, default=len(out) - 1))
        out.insert(last + 1, new)
    return out


# "cover with chicken stock by an inch", "stand them in water/stock"
_STOCK_SAID = quick(
    r"\b(?:water ?(?:/|or) ?(?:stock|broth)|(?:stock|broth) ?(?:/|or) ?water|(?:(?:chicken|vegetable|veg|beef|lamb|fish|meat|mushroom|turkey) )?(?:stock|broth))\b(?! (?:cubes?|powder|granules|pot)\b)",
    re.I,
)
_WATER_SAID = quick(r"\bwater\b(?! ?/)", re.I)


@once
def _liquid_said(recipe: Recipe) -> str:
    """What the pot's liquid is called where only the steps name it; "water" if they name none, or water itself."""
    listed = any(ln.carrier for ln in recipe.lines)
    told = [] if listed else [m for s in recipe.steps for m in _STOCK_SAID.finditer(s.text)]
    if len({m[0].lower() for m in told}) != 1:
        return "water"
    water = any(_WATER_SAID.search(_STOCK_SAID.sub(" ", s.text)) for s in recipe.steps)
    return "water" if water else told[0][0].lower()


def _aside_line(ln: Line, pot: Pot, measures: Measures) -> NewLine:
    was = ln.text[ln.amount_span.start : ln.amount_span.end] if ln.amount_span else ""
    said = f"{said_grain(pot.dry_ml, pot.dry_g, ln.unit, of_line(ln, measures), was)} {pot.grain.name}, in a pot of its own with {jug_ml(pot.pour_ml)} ml water"
    return NewLine(said, None, "source_grain", ((0, len(said)),), "its time does not meet the other's")


# "(75 g per person)" were the old grain's
_A_HEAD = lazy(
    rf"\s*\((?:that's |i\.e\. |about |allow |= ?)*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?\s*(?:(?:per|a|each) ?(?:person|head|serving|portion|eater|one)?|/ ?(?:person|head|serving|portion))\)",
    re.I,
)


def _of_one_batch(new: NewLine) -> NewLine:
    """The line without the amounts of a bigger or smaller pot ("(300 g for 4 people)"), which were the old grain's."""
    text, marks = new.text, list(new.marks)
    others = (
        {*for_another(text), *(m.span() for m in found_in(_A_HEAD, text))}
        if new.role == "source_grain"
        else another_batch(text)
    )
    for a, b in sorted(others, reverse=True):
        if any(x < b and a < y for x, y in marks):
            continue
        text = text[:a] + text[b:]
        marks = [(x - (b - a), y - (b - a)) if x >= b else (x, y) for x, y in marks]
    return new if text == new.text else replace(new, text=text, marks=tuple(marks))


def _rewrite(
    ln: Line,
    recipe: Recipe,
    a: Amounts,
    measures: Measures,
    cooked_g: float,
    carried: frozenset[int],
    shares: dict[int, float],
) -> NewLine:
    """shares: of the grain lines, what part of the dry grain each is."""
    if ln.index in shares and a.same:
        return _grain_line(ln, replace(a, dry_ml=a.dry_ml * shares[ln.index]), measures, cooked_g)
    if ln.index in shares and ln.index != recipe.source:
        return NewLine("", ln.text, "source_grain", because="it is one grain now, with the line of the other rice")
    if ln.index in shares:
        return _grain_line(ln, a, measures, cooked_g)
    if ln.index in carried:
        return _carrier_line(ln, a, measures)
    if told_by_the_grain(ln) and not (a.same and a.scale == 1):
        return _own_amount(ln, a)
    if (now := with_its_portions(ln, recipe, a, carried)) is not None and ln.amount_span is not None:
        at = ln.amount_span
        said = said_liquid(now, ln.unit, of_line(ln, measures), ln.text[at.start : at.end])
        edited = apply(ln.text, [Edit(at.start, at.end, said)])
        return NewLine(edited.text, ln.text, ln.role, edited.marks, "the grain gets another part of it", edited.olds)
    if a.scale != 1 and ln.quantity is not None:
        edited = _scaled(ln, ln.quantity * a.scale)
        return NewLine(edited.text, ln.text, ln.role, edited.marks, "for the new number at the table", edited.olds)
    return NewLine(ln.text, ln.text, ln.role)


_DIVIDED = lazy(r"\bdivided\b", re.I)
REMAINING = lazy(r"(?:remaining|other|rest)\b", re.I)


def with_its_portions(ln: Line, recipe: Recipe, a: Amounts, carried: frozenset[int]) -> float | None:
    """Millilitres of "8 cups stock, divided", of which the steps pour 3 to the grain, or "the remaining 3": as much more or less as those are. None: it is none
    such, or stays."""
    if not (ln.fraction and ln.ml) or a.scale != 1 or ln.section.startswith("step "):
        return None
    portions = [x for x in recipe.lines if x.index in carried and x.kind == ln.kind and x.section.startswith("step ")]
    if not (_DIVIDED.search(ln.text) or any(x.name == KEPT and REMAINING.match(x.text) for x in portions)):
        return None
    other = any(x is not ln and x.kind == ln.kind and not x.section.startswith("step ") for x in recipe.lines)
    more = sum(a.carrier(x.ml) - x.ml for x in portions if x.ml)
    return None if other or abs(more) < LEAST_ML or sum(x.ml or 0.0 for x in portions) > ln.ml else ln.ml + more


def told_by_the_grain(ln: Line) -> bool:
    """Is a liquid's amount the grain's ("same as the rice", "1½ times as much")? Then it has no measure of its own."""
    if ln.amount_span is None or ln.unit != "ml" or not ln.ml:
        return False
    words = ln.text[ln.amount_span.start : ln.amount_span.end]
    return not any(canonical_unit(m["u"] or "") for m in AMOUNT.finditer(words))


_AS_THE_GRAIN = lazy(r"\b(?:water|stock|broth|milk)(?P<tail>\s+as\s+(?:the |your )?(?:[\w-]+ )?(?:rice|grain))\b", re.I)


def as_the_grain(text: str, after: int) -> list[Edit]:
    """What an amount put at `after` in the place of "twice as much" leaves behind the liquid's name: "as rice"."""
    m = _AS_THE_GRAIN.search(text, after, after + 60)
    return [Edit(m.start("tail"), m.end("tail"), "")] if m else []


def _own_amount(ln: Line, a: Amounts) -> NewLine:
    """What was told by the rice keeps its amount beside a grain that may come by another volume."""
    assert ln.amount_span is not None
    said = f"{jug_ml((ln.ml or 0.0) * a.scale)} ml"
    edits = [Edit(ln.amount_span.start, ln.amount_span.end, said), *as_the_grain(ln.text, ln.amount_span.end)]
    edited = apply(ln.text, edits)
    return NewLine(edited.text, ln.text, ln.role, edited.marks, "as much as it was, not as the grain is", edited.olds)


def _with_stop(ln: Line, said: str) -> int:
    """Where the line's amount ends; the stop of "2 c." goes with it, but where the new amount is abbreviated so too."""
    if ln.amount_span is None:
        return 0
    end = ln.amount_span.end
    last = re.search(r"[^\W\d_]*$", ln.text[ln.amount_span.start : end])
    stops = ln.text[end : end + 1] == "." and last and last[0] and not said.lower().endswith(last[0].lower())
    return end + 1 if stops else end


_IN_A_POUCH = lazy(
    r"\b(?:ready[- ]cooked|ready[- ]to[- ](?:eat|heat|serve)|microwav(?:e|able)|express|(?:pouch(?:es)?|packets?|packs?)(?: of)?)\b *",
    re.I,
)


def _without_offers(ln: Line) -> Line:
    """The line without what it offers instead of its grain."""
    # of a bracket that tells which rice it was all goes
    text, stood = without(ln.text, in_brackets=False)
    at = {was: now for now, was in enumerate(stood)}

    def now(span: Span | None) -> Span | None:
        return None if span is None else Span(at[span.start], at[span.end - 1] + 1)

    try:
        return ln.with_(text=text.rstrip(), name_span=now(ln.name_span), amount_span=now(ln.amount_span))
    except KeyError:
        # its name, or how much of it, stands in an offer
        return ln


def _grain_line(ln: Line, a: Amounts, measures: Measures, cooked_g: float) -> NewLine:
    if a.same and a.scale == 1:
        return NewLine(ln.text, ln.text, "source_grain")
    told, ln = ln.text, _without_offers(ln)
    edits = []
    if not a.same:
        if a.target.parts:
            each = ", ".join(f"{round_half_up(a.dry_ml * s * g.density)} g {g.name}" for g, s in a.target.parts)
            edits.append(Edit(len(ln.text), len(ln.text), f" ({each})"))
        edits += _renamed(ln, a.target.name)
    in_a_bracket = ln.amount_span is not None and "(" in ln.text[: ln.amount_span.start]
    listed_cooked = is_cooked(ln.text) and not in_a_bracket
    if ln.cooked or listed_cooked:
        # what is bought and weighed is the dry grain; the first steps cook it, or the recipe's own
        start = ln.amount_span.start if ln.amount_span else edits[0].start if edits else 0
        end = ln.amount_span.end if ln.amount_span else start
        end = max(end, _with_stop(ln, "g"))
        if m := _SIZE_BESIDE.match(ln.text, end):
            # "4 bowls (about 600 g)"
            end = m.end()
        edits.append(Edit(start, end, f"{round_half_up(a.dry_g)} g" + ("" if end > start else " ")))
        if m := _COOKED_SIZE.search(ln.text, end):
            # "1 bowl leftover cooked rice (about 200 g)"
            edits.append(Edit(m.start(), m.end(), ""))
        edits += [Edit(m.start(), m.end(), "") for m in _HOW_KEPT.finditer(ln.text, end)]
        if m := _RAW_SIZE.search(ln.text):
            # what it weighed before it was cooked was the old grain's
            edits.append(Edit(m.start(), m.end(), ""))
        if m := COOKED_IN.search(ln.text):
            edits.append(Edit(m.start(), m.end(), ""))
        elif pouch := [m for m in _IN_A_POUCH.finditer(ln.text, end) if not re.match(r"[^(]*\)", ln.text[m.start() :])]:
            # "250 g pouch microwave brown rice", "250 g pouch cooked brown rice"
            edits += [Edit(m.start(), m.end(), "") for m in pouch]
            if m := _COOKED_WORDS.match(ln.text, pouch[-1].end()):
                edits.append(Edit(m.start(), m.end(), ""))
        elif m := _COOKED_WORDS.search(ln.text):
            # "250 g cooked, chilled rice": how it was kept goes with it, where the name follows
            kept = _KEPT_COLD.match(ln.text, m.end())
            end = kept.end() if kept else m.end()
            between = m.start() > 0 and end < len(ln.text) and ln.text[end].isalnum()
            start, end = _with_its_bracket(ln.text, m.start(), end)
            edits.append(Edit(start, end, " " if between else ""))
            # "2 cups cold rice (cooked)": said a second time
            again = [_with_its_bracket(ln.text, *x.span()) for x in _COOKED_WORDS.finditer(ln.text, end)]
            edits += [Edit(x, y, "") for x, y in again if ln.text[y - 1 : y] == ")"]
            if not a.same and m.start() == 0 and m[0][:1].isupper():
                # "Cooked rice: 4 bowls" begins with the name now
                edits = [replace(e, new=cap(e.new)) if e.new == a.target.name else e for e in edits]
    elif ln.amount_span:
        said = said_grain(
            a.dry_ml, a.dry_g, ln.unit, of_line(ln, measures), ln.text[ln.amount_span.start : ln.amount_span.end]
        )
        unchanged = (
            abs(a.dry_ml - (ln.ml or 0)) < 0.5 if unit_kind(ln.unit) != "mass" else abs(a.dry_g - (ln.g or 0)) < 0.5
        )
        if not unchanged or in_manner(ln.unit, measures, "g") != ln.unit:
            edits.append(Edit(ln.amount_span.start, _with_stop(ln, said), said))
        edits += _without_stale_size(ln, a)
    if (
        (
            not a.same
            and a.target.rinse == 0
            and (
                m := re.search(
                    r",?\s*(?:(?:not |un)|well[- ])?(?:rinsed|washed)(?: well| until [^,]+)?(?:,? and(?= [a-z]+(?:ed|en)\b))?",
                    ln.text,
                )
            )
        )
        or not a.same
        and (m := UNRINSED.search(ln.text))
    ):
        # ", washed and frozen overnight"; a bracket that said no more goes with it
        start, end = m.span()
        if ln.text[:start].endswith("(") and ln.text[end:].startswith(")"):
            start, end = len(ln.text[: start - 1].rstrip()), end + 1
        edits.append(Edit(start, end, "," if m[0].endswith(" and") else ""))
    if not a.same and not a.soaks and (m := _SOAKED.search(ln.text)):
        gone = [e for e in edits if e.new == "" and e.end == m.start()]
        edits = [e for e in edits if e not in gone]
        edits.append(Edit(*_with_its_bracket(ln.text, gone[0].start if gone else m.start(), m.end()), ""))
    edited = apply(ln.text, edits)
    return NewLine(
        edited.text,
        told,
        "source_grain",
        edited.marks,
        "the recipe takes it cooked; this much dry gives as much, and the first steps cook it"
        if ln.cooked
        else "the list has it cooked; this much is dry, and the recipe's own steps cook it"
        if listed_cooked
        else "the same volume of another grain weighs otherwise",
        edited.olds,
    )


# "…, rinsed and soaked 15 minutes"
_SOAKED = lazy(r",?\s*(?:\band\s+|,\s*)?\bsoaked\b[^,;()]*(?:,?\s*(?:and )?(?:well )?drained\b)?", re.I)
_COOKED_SIZE = lazy(
    r"\s*\((?:about |around |roughly |approx\.? |~)?\d[\d.,/ ½¼¾]*\s?(?:g|grams?|kg|oz|ounces?|ml|cups?)\b[^()]{0,12}\)",
    re.I,
)
# "(best if kept overnight in the fridge)": the dry grain was in none
_HOW_KEPT = lazy(
    r"\s*\([^()\d]*\b(?:overnight|fridge|refrigerat\w*|day[- ]old|left-?overs?|yesterday'?s?|cold|sachet|ready[- ]to[- ](?:eat|heat|serve)|pre-?cooked)\b[^()\d]*\)",
    re.I,
)


def _with_its_bracket(text: str, start: int, end: int) -> tuple[int, int]:
    """What is taken out of a bracket, with the bracket if that is all it holds, and with the comma behind it if it stood first."""
    if text[start - 1 : start] != "(":
        return start, end
    if text[end : end + 1] == ")":
        return len(text[: start - 1].rstrip()), end + 1
    return start, end + len(text[end:]) - len(text[end:].lstrip(", "))


# a bracket or a tail that only tells which rice it was
_BRACKET = lazy(r"\s*\([^()]*\)")
_KIND_NEXT = lazy(r"\s+(?P<kind>[^\W\d_]{4,})(?=\s*(?:\d|[½¼¾,(:–-]|$))")
_KIND_TAIL = lazy(
    r",\s*(?:any\s+|the\s+|(?:either|preferably)\s+)?(?:(?:long|medium|short|round)(?:[- ]grain(?:ed)?)?\s+(?:or|and|to)\s+)?(?:(?:long|medium|short|round)[- ]grain(?:ed)?|converted|parboiled|par-?boiled|easy[- ]cook|polished|hulled)(?:,?\s+(?:white|brown|raw|rice))*(?=\s*(?:,|$|\(|\.{3}))",
    re.I,
)
# "rice, the short fat kind"
_THE_KIND = lazy(r",\s*(?:the|an?|any|some) (?:[a-z-]+ ){0,4}(?:kind|sort|type|variety|stuff)(?=\s*(?:[,(]|$))", re.I)
_IF_YOU_HAVE = lazy(r",?\s+if (?:you|i|u) (?:can|have|find|like|want|prefer|get)\b[^,;()\d]{0,30}", re.I)
_SUCH_AS = lazy(
    r"\s*[,;–—-]?\s*(?:e\.?\s?g\.?,?|such as|like|ideally|preferably|mine is|ours is|we (?:use|like|love|always use)|I(?:'ve| have)?(?: always| usually| often)? (?:use|used|like))\s+(?:an? )?[^\W\d][\w' -]{2,28}(?=\s*(?:[,;)]|$))",
    re.I,
)
# "(the kind that takes 45 min)"
_TAKES_MIN = lazy(
    r"\b(?:takes?|cooks? in|in) (?:about )?\d+(?:\s?[-–]\s?\d+)? ?min\w*|(?<=\()\d+[- ]?min(?:ute)?s?(?=\))", re.I
)
# "(Carolina)", "(Tilda)": a kind or a brand
_NAMES_KIND = lazy(
    r"\s*\(\s*(?:(?:such as|e\.?\s?g\.?,?|for example|like|ideally|preferably|look for) [^()\d]*|(?:I (?:use|used|like|had)\s+)?(?:[A-Z][\w'’-]+\s*){1,3}(?:if you (?:can|have|find)\b[^()\d]*)?|I (?:use|used|like|buy|had)\b[^()\d]*|(?!(?:dry|raw|optional|rinsed|washed|soaked|drained)\b)[a-z]+ or [a-z]+)\)"
)
# "(germinated 24 hrs, see note)": the rice was, the new grain is not
_SPROUTED = quick(r"\b(?:germinated|sprouted)\b", re.I)
_TELLS_KIND = lazy(
    r"\b(?:kind|type|brand|risotto|paella|pudding|sushi|basmati|jasmine|arborio|carnaroli|bomba|red|white|brown|black|matta|glutinous|sticky|raw|regular|rice|grain|easy[- ]cook|quick[- ]cook|pre-?cooked|parboiled|converted|instant|minute|hand-parched|germinated|sprouted|gaba)\b",
    re.I,
)


_KIND_BEHIND = lazy(
    rf"(?P<amount>[\s:=–-]*{RANGE_PATTERN}\s*(?:{UNIT_PATTERN})\.?)\s+(?:of\s+)?(?P<kind>[^\W\d_]+(?:[- ]grain(?:ed)?)?)\b",
    re.I,
)


def _renamed(ln: Line, name: str) -> list[Edit]:
    """The grain's new name in the place of the old one, with all that says which rice it was: "basmati or jasmine", "malagkit (glutinous rice)"."""
    text = ln.text
    found = find_grains(text)
    brackets = [(m.start(), m.end()) for m in _BRACKET.finditer(text)]

    def inside(at: int) -> tuple[int, int] | None:
        return next(((x, y) for x, y in brackets if x <= at < y), None)

    outside = [f for f in found if inside(f.span.start) is None]
    edits = []
    for x, y in brackets:
        words = text[x:y]
        told = (
            any(x <= f.span.start < y for f in found)
            or _TELLS_KIND.search(words)
            or _TAKES_MIN.search(words)
            or _NAMES_KIND.fullmatch(words)
            # "(ponni)"
            or (found and words.strip("()[] ").isalpha() and kind_of_rice(f"{words.strip('()[] ')} rice"))
        )
        if told and (_SPROUTED.search(words) or not re.search(r"\d", _TAKES_MIN.sub("", words))):
            edits.append(Edit(x, y, ""))
    if outside:
        if len(outside) > 1 and _IS_LABEL.match(text, outside[0].span.end):
            # "Rice: 4 cups golden sella basmati": the part's name, and what goes in
            label = outside.pop(0)
            edits.append(Edit(label.span.start, label.span.end, name[:1].upper() + name[1:]))
        elif len(outside) > 1 and ln.amount_span and ":" in text[outside[0].span.end : ln.amount_span.start]:
            # "rice for tonight: 250 g basmati"
            label = outside.pop(0)
            edits.append(Edit(label.span.start, label.span.end, name))
        elif (
            len(outside) > 1
            and ln.amount_span
            and outside[0].span.end <= ln.amount_span.start < outside[1].span.start
            and _FOR_THE.search(text, 0, outside[0].span.start)
        ):
            # "for the rice you need 2 cups basmati"
            label = outside.pop(0)
            edits.append(Edit(label.span.start, label.span.end, name))
        first = outside[0]
        start, end = _of_its_kind(ln, with_kind(text, first.span.start)), first.span.end
        if m := re.match(
            r"\s+(?:rice|chawal|arroz|pirinç|pirinci|riso|reis|ris|rijst|beras|bigas)\b", text[end:], re.I
        ):
            end += m.end()
        elif m := _ITS_KIND_THEN_RICE.match(text, end):
            # "Calrose (medium-grain) rice"
            end = m.end()
        if (
            first.generic
            and (m := _KIND_NEXT.match(text, end))
            and m["kind"].lower() not in word_list("describes")
            and kind_of_rice(f"{m['kind']} rice")
        ):
            # "rice sella 500 g"
            end = m.end("kind")
        behind = _KIND_BEHIND.match(text, end) if first.generic else None
        if behind and kind_of_rice(f"{behind['kind']} rice"):
            # "rice 750 gm sella": its kind stands behind the amount
            edits.append(Edit(behind.end("amount"), behind.end("kind"), ""))
            outside = [f for f in outside if f.span.start < behind.start("kind")]
        while len(outside) > 1 and first.generic and not text[end : outside[1].span.start].strip():
            # "riso vialone nano": its kind stands behind it
            end = outside.pop(1).span.end
        reach = such.end() if (such := _SUCH_AS.match(text, end)) else end
        for f in outside[1:]:
            such = _SUCH_AS.match(text, reach)
            if such and f.span.start < such.end():
                # ", any rice, I've used basmati"
                edits.append(Edit(reach, such.end(), ""))
                reach = such.end()
                continue
            # "or basmati", "/ kalijira chal": the other names go with the first
            kind = with_kind(text, f.span.start)
            # the words of its kind may be the first one's own name
            kind = kind if kind > reach else f.span.start
            whole = not text[reach : f.span.start].strip() and reach > end
            if f.span.start >= reach and (whole or _OR_ANOTHER.fullmatch(text, reach, kind)):
                edits.append(Edit(reach, f.span.end, ""))
                reach = f.span.end
    elif found and (around := inside(found[0].span.start)) is not None:
        # only the bracket says it in words we know: what stands before it is its name in another tongue
        start = ln.amount_span.end if ln.amount_span and ln.amount_span.end <= around[0] else 0
        start += len(text[start:]) - len(text[start:].lstrip(" :-"))
        end = around[0] if start < around[0] else start
    elif ln.name_span:
        start, end = with_kind(text, ln.name_span.start), ln.name_span.end
    else:
        return edits
    end = with_kind_after(text, end)
    if m := re.match(r"\s+(?:blend|mix|medley)\b", text[end:], re.I):
        end += m.end()
    if edits and (m := _IF_YOU_HAVE.match(text, max(e.end for e in edits))):
        # ", or brown basmati if you have time"
        edits.append(Edit(m.start(), m.end(), ""))
    if (
        m := _KIND_TAIL.match(text, end)
        or _SUCH_AS.match(text, end)
        or _PRAISED.match(text, end)
        or _THE_KIND.match(text, end)
    ):
        edits.append(Edit(m.start(), m.end(), ""))
    upper = text[start : start + 1].isupper() and not re.search(r"[^\W\d_]{2}|\d", text[:start])
    edits = [e for e in edits if not start <= e.start <= e.end <= end]
    edits.append(Edit(start, end, name[:1].upper() + name[1:] if upper else name))
    return edits


_FOR_THE = lazy(r"\bfor (?:the |your )?$", re.I)
# "leftover rice is best, like 400g"
_PRAISED = lazy(
    r"\s+(?:is|are|works?|tastes?) (?:the )?(?:best|better|good|fine|ideal|perfect)\b,?(?: (?:like|say))?(?=\s)", re.I
)
_ITS_KIND_THEN_RICE = lazy(r"\s*\([^()\d]{1,40}\)\s+(?:rice|chawal|arroz|riso|reis|ris|rijst|beras|bigas)\b", re.I)
_SIZE_BESIDE = lazy(r"\s*\((?:about |approx\.? |ca\.? |~)?\d[^()]*\)", re.I)
_KEPT_COLD = lazy(r",?\s*(?:and\s+)?(?:chilled|cooled|cold)\s+(?=[^\W\d])", re.I)
_IS_LABEL = lazy(r"\s*:\s*(?=[\d½¼¾⅓⅔])")
_WORDS_BEFORE = lazy(r"[\s'’\w-]*")
_OR_ANOTHER = lazy(
    r"(?:\s*[,/]\s*(?:or\s+)?|\s+(?:or|and|&|\+)\s+)(?:any\s+(?:other\s+|good\s+|kind of\s+)*)?(?:[\w-]+\s+){0,2}", re.I
)


def _of_its_kind(ln: Line, start: int) -> int:
    """Where the grain's name begins with the words before it that are another rice's: "devzira or other medium-grain", "golden sella basmati"."""
    if ln.amount_span is None or ln.amount_span.end > start or ln.ml is None or ln.cooked:
        return start
    said = ln.amount_span.end
    if m := re.match(r"\s*\([^()]*\)", ln.text[said:start]):
        # "4 cups (750 g) golden sella basmati"
        said += m.end()
    # "unakkalari (a broken red rice) or any raw rice"
    words = re.sub(r"\([^()\d]*\)", lambda m: " " * len(m[0]), ln.text[said:start])
    if not _WORDS_BEFORE.fullmatch(words) or re.search(r"\d", words):
        return start
    for m in re.finditer(r"[^\W\d_][\w'’-]*", words):
        if m[0].lower() not in word_list("of_any_grain"):
            return said + m.start()
    return start


# so near is a second amount to the line's own that it says the same
SAYS_THE_SAME = 0.1


def _second_amounts(ln: Line, measures: Measures) -> Iterator[tuple[Amount, int, int]]:
    """(amount, where it begins, where it ends) of what the line says with a unit beside its own amount."""
    for m in AMOUNT.finditer(ln.text):
        unit = canonical_unit(m["u"] or "")
        mine = ln.amount_span is not None and m.start() < ln.amount_span.end and ln.amount_span.start < m.end()
        if unit is None or mine:
            continue
        try:
            yield make_amount(*number_range(m["n"]), unit, measures), m.start("n"), m.end("u")
        except ValueError:
            continue


def _without_stale_size(ln: Line, a: Amounts) -> list[Edit]:
    """A second amount beside the first ("1 cup (185 g)", "250g/9oz", "3 glass = 750 gm", "2 go (= 360 ml, 300 g)") would now be wrong: its weight is brought up
    to date, or left out where the first says it already."""
    if ln.amount_span is None:
        return []
    edits: list[Edit] = []
    text = ln.text
    for said, start, end in _second_amounts(ln, Measures()):
        was, now = (ln.g, a.dry_g) if unit_kind(said.unit) == "mass" else (ln.ml, a.dry_ml)
        size = said.g if unit_kind(said.unit) == "mass" else said.ml
        if not size or not was:
            continue
        many = ln.quantity or 1.0
        each = abs(size * many / was - 1) <= SAYS_THE_SAME < abs(size / was - 1)
        if not each and abs(size / was - 1) > SAYS_THE_SAME:
            continue
        if unit_kind(said.unit) != "mass":
            if abs(a.dry_ml - (ln.ml or 0.0)) < 0.5 or each:
                continue
        elif unit_kind(ln.unit) != "mass":
            told = f"{round_half_up(now / many if each else now)} g"
            if edits and edits[-1].new == told and re.fullmatch(r"\s*[/,|]\s*|\s+or\s+", text[edits[-1].end : start]):
                # "(300 g / 10½ oz)" are one in grams
                edits[-1] = Edit(edits[-1].start, end, told)
            else:
                edits.append(Edit(start, end, told))
            continue
        if alone := _alone(text, start, end):
            edits.append(Edit(*alone, ""))
    return edits


_CANS = lazy(r"\b(?:cans?|tins?|cartons?|box(?:es)?|packages?|containers?|bottles?|jars?)\b", re.I)
_IN_CANS = lazy(
    r"\s*(?:\((?:each |about )?\d[\d./½ ]*[ -]?(?:fl\.? ?)?(?:oz|ounces?|g|ml)\.?(?:,? each)?\)|\d[\d.]*[ -](?:fl\.? ?)?(?:oz|ounces?)\.?)?"
    rf"\s*(?:{_CANS.pattern}(?: of\b)?)?(?=\s+[^\W\d]|$)\s*",
    re.I,
)


def beyond_tin(ln: Line, a: Amounts) -> float:
    """Millilitres of water for what the grain drinks beyond a tin of stock or soup: a tin is opened whole, and more of it would salt the pot."""
    more = a.carrier(ln.ml or 0.0) - (ln.ml or 0.0) if ln.unit == "tin" and ln.kind != "water" else 0.0
    return more if more >= LEAST_ADDED_ML else 0.0


def _carrier_line(ln: Line, a: Amounts, measures: Measures) -> NewLine:
    ml = a.carrier(ln.ml or 0.0)
    if ml < LEAST_ML:
        return NewLine(
            ln.text,
            ln.text,
            ln.role,
            (),
            "the other liquids do it: keep this hot beside the pot, and pour it only if it gets dry",
        )
    gone = set() if a.same else {*for_another(ln.text), *of_another_amount(ln.text)}
    if not a.same and (part := used_of_it(ln.text)):
        gone.add(part)
    liked = [Edit(x, y, "") for x, y in gone]
    if beyond_tin(ln, a):
        kept = apply(ln.text, liked)
        return NewLine(kept.text, ln.text, ln.role, kept.marks, "", kept.olds)
    if ln.amount_span is None or abs(ml - (ln.ml or 0)) < 2.5:
        kept = apply(ln.text, liked)
        return NewLine(kept.text, ln.text, ln.role, kept.marks, "", kept.olds)
    said = said_liquid(ml, ln.unit, of_line(ln, measures), ln.text[ln.amount_span.start : ln.amount_span.end])
    begins = m.start() if (m := _SCALE_OF.search(ln.text, 0, ln.amount_span.start)) else ln.amount_span.start
    edits = [Edit(begins, _with_stop(ln, said), said)]
    stale = [
        e for e in _without_stale_liquid(ln, ml, measures) if all(e.end <= x.start or x.end <= e.start for x in liked)
    ]
    in_cans = _IN_CANS.match(ln.text, edits[0].end)
    if in_cans and in_cans[0].strip() and not _CANS.search(said):
        # "2 (14 oz.) cans beef broth" become 830 ml beef broth
        stale = [e for e in stale if e.start >= in_cans.end()]
        edits.append(Edit(edits[0].end, in_cans.end(), " "))
    edits += stale
    edits += [x for x in liked if all(x.end <= e.start or e.end <= x.start for e in edits)]
    sign = _TO_A_LINE.search(ln.text)
    if sign and (instead_of_it := _OR_SO_MUCH.match(ln.text, sign.end())):
        # "water to the 2 line, or about 380 ml"
        edits.append(Edit(sign.end(), instead_of_it.end(), ", "))
    if sign := sign or _TO_ITS_LINE.search(ln.text, 0, ln.amount_span.start):
        # "water to the 2 line for brown rice (about 500 ml)"
        edits.append(Edit(sign.start(), sign.end(), ""))
    if told_by_the_grain(ln):
        edits += as_the_grain(ln.text, ln.amount_span.end)
    because = "this is what the grain drinks and the pot loses"
    strong = (ln.ml or 0) * a.mass * (1 if a.mass else a.scale)
    if ln.kind == "stock" and ml > strong * (1 + NOTICEABLE) and ml - strong > 40:
        because += f"; for the salt of it {jug_ml(strong)} ml of stock are enough, the rest can be water"
    edited = apply(ln.text, edits)
    if edited.text == ln.text:
        # in the recipe's own measure it comes to the same
        return NewLine(ln.text, ln.text, ln.role)
    return NewLine(edited.text, ln.text, ln.role, edited.marks, because, edited.olds)


def _without_stale_liquid(ln: Line, ml: float, measures: Measures) -> list[Edit]:
    """A second amount beside the first ("2 cups (480 ml)", "400ml/14fl oz", "3 cups = 700 ml") goes where it stands alone, else says the new one."""
    if ln.amount_span is None or not ln.ml:
        return []
    edits: list[Edit] = []
    for said, start, end in _second_amounts(ln, measures):
        size = said.ml if said.ml is not None else said.g
        if not size or abs(size / ln.ml - 1) > SAYS_THE_SAME:
            continue
        alone = _alone(ln.text, start, end)
        edits.append(Edit(*alone, "") if alone else Edit(start, end, f"{jug_ml(ml)} ml"))
    return [e for i, e in enumerate(edits) if not any(e.start < x.end and x.start < e.end for x in edits[:i])]


def _alone(text: str, start: int, end: int) -> tuple[int, int] | None:
    """The bracket that an amount fills alone or with others of its like, or the stroke it stands behind."""
    inside = next(((m.start(), m.end()) for m in _BRACKET.finditer(text) if m.start() <= start < m.end()), None)
    if inside is not None:
        words = AMOUNT.sub("", text[inside[0] : inside[1]])
        return (
            inside
            if not re.search(
                r"[^\W\d_]", re.sub(r"\b(?:about|approx|around|ca|or|of|roughly)\b", "", words, flags=re.I)
            )
            else None
        )
    stroke = re.search(r"\s*(?:[/|]|,?\sor)\s*$", text[:start])
    return (stroke.start(), end) if stroke and re.search(r"\d", text[: stroke.start()]) else None


def _scaled(ln: Line, quantity: float) -> Edited:
    rounded = (
        nearest(quantity, 5) if quantity >= 20 else round_half_up(quantity * 4) / 4 if quantity >= 0.25 else quantity
    )
    if not ln.unit and ln.kind in ("spice", "") and quantity >= 1:
        # whole things: two bay leaves do not become two and a quarter
        rounded = round_half_up(quantity) if ln.kind == "spice" else round_half_up(quantity * 2) / 2
    if ln.amount_span is None or abs(rounded - (ln.quantity or 0.0)) < 1e-9:
        return Edited(ln.text, ())
    unit_text = re.search(r"[^\d½⅓⅔¼¾⅛⅜⅝⅞.,/\s-].*$", ln.text[ln.amount_span.start : ln.amount_span.end])
    if ln.unit in ("g", "ml"):
        value = str(nearest(quantity, 5) if quantity >= 20 else round_half_up(quantity))
    else:
        value = said_quantity(rounded)
    tail = unit_text[0] if unit_text and ln.unit else ""
    glue = (
        " "
        if tail and re.search(r"\s" + re.escape(tail[:1]), ln.text[ln.amount_span.start : ln.amount_span.end])
        else ""
    )
    return apply(ln.text, [Edit(ln.amount_span.start, ln.amount_span.end, value + glue + tail)])
