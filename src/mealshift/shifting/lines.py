"""The ingredient list for the new grain: its amount and name, the liquids that carry the change, salt by cooked mass."""

from __future__ import annotations

import re
from dataclasses import dataclass

from ..grains import Grain
from ..measures import Measures, round_half_up, unit_kind
from ..pot import Pot
from ..recipe import Line, Recipe
from .wording import Edit, Edited, apply, nearest, said_grain, said_liquid, said_quantity

# a salt or stock line is left alone while the cooked mass moves less than this
NOTICEABLE = 0.08


@dataclass(frozen=True, slots=True)
class NewLine:
    """One ingredient of the shifted recipe. was: the old text, "" if it is new; text "" if it is dropped."""

    text: str
    was: str
    role: str
    marks: tuple[tuple[int, int], ...] = ()
    because: str = ""
    olds: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Amounts:
    """The numbers the rewriting works from. scale: servings now over servings then. mass: cooked mass now over then."""

    target: Grain
    dry_ml: float
    scale: float
    mass: float
    pour_ml: float
    carrier_was_ml: float
    same: bool

    def carrier(self, ml: float) -> float:
        """A carrier's new volume: the pour shared as the recipe shared it."""
        return ml * self.pour_ml / self.carrier_was_ml if self.carrier_was_ml else ml * self.scale

    @property
    def dry_g(self) -> float:
        return self.dry_ml * self.target.density


def rewrite_lines(
    recipe: Recipe, a: Amounts, measures: Measures, cooked_g: float, aside: tuple[Pot, ...] = ()
) -> list[NewLine]:
    out = []
    for ln in recipe.lines:
        if ln.section.startswith("step "):
            continue
        out.append(_rewrite(ln, recipe, a, measures, cooked_g))
        if ln.index == recipe.source:
            out += [_aside_line(ln, p, measures) for p in aside]
    line = recipe.source_line
    if line is not None and not line.cooked and not a.carrier_was_ml and a.pour_ml >= 5:
        said = f"{nearest(a.pour_ml, 5)} ml water"
        out.append(
            NewLine(
                said,
                "",
                "pot_liquid",
                ((0, len(said)),),
                "the recipe's other liquids do not cover what this grain drinks",
            )
        )
    return out


def _aside_line(ln: Line, pot: Pot, measures: Measures) -> NewLine:
    was = ln.text[ln.amount_span.start : ln.amount_span.end] if ln.amount_span else ""
    said = f"{said_grain(pot.dry_ml, pot.dry_g, ln.unit, measures, was)} {pot.grain.name}, in a pot of its own with {nearest(pot.pour_ml, 5)} ml water"
    return NewLine(said, "", "source_grain", ((0, len(said)),), "its time does not meet the other's")


def _rewrite(ln: Line, recipe: Recipe, a: Amounts, measures: Measures, cooked_g: float) -> NewLine:
    if ln.index == recipe.source:
        return _grain_line(ln, a, measures, cooked_g)
    if ln.role == "pot_liquid" and ln.carrier and ln.ml:
        return _carrier_line(ln, a, measures)
    if (ln.role in ("salt", "fat") or ln.kind == "spice") and ln.quantity is not None and abs(a.mass - 1) > NOTICEABLE:
        # whole things and pinches do not come in three quarters
        whole = unit_kind(ln.unit) == "count"
        edited = _scaled(
            ln,
            max(1.0, float(round_half_up(ln.quantity * a.mass)))
            if whole and ln.quantity >= 1
            else ln.quantity * a.mass,
        )
        return NewLine(
            edited.text,
            ln.text,
            ln.role,
            edited.marks,
            "salt follows the cooked weight; taste before adding the last of it"
            if ln.role == "salt"
            else "follows the cooked weight",
            edited.olds,
        )
    if a.scale != 1 and ln.quantity is not None:
        edited = _scaled(ln, ln.quantity * a.scale)
        return NewLine(edited.text, ln.text, ln.role, edited.marks, "for the new number at the table", edited.olds)
    return NewLine(ln.text, ln.text, ln.role)


def _grain_line(ln: Line, a: Amounts, measures: Measures, cooked_g: float) -> NewLine:
    if a.same and a.scale == 1:
        return NewLine(ln.text, ln.text, "source_grain")
    edits = []
    if ln.name_span and not a.same:
        name = a.target.name
        was_upper = ln.text[ln.name_span.start].isupper()
        if a.target.parts:
            each = ", ".join(f"{round_half_up(a.dry_ml * s * g.density)} g {g.name}" for g, s in a.target.parts)
            edits.append(Edit(len(ln.text), len(ln.text), f" ({each})"))
        edits.append(Edit(ln.name_span.start, ln.name_span.end, name[:1].upper() + name[1:] if was_upper else name))
    if ln.cooked:
        if a.scale != 1 and ln.amount_span:
            edits.append(Edit(ln.amount_span.start, ln.amount_span.end, f"{round_half_up(cooked_g)} g"))
        edits.append(Edit(len(ln.text), len(ln.text), f" (from {round_half_up(a.dry_g)} g dry)"))
    elif ln.amount_span:
        said = said_grain(a.dry_ml, a.dry_g, ln.unit, measures, ln.text[ln.amount_span.start : ln.amount_span.end])
        unchanged = (
            abs(a.dry_ml - (ln.ml or 0)) < 0.5
            if ln.unit not in ("g", "kg", "oz", "lb")
            else abs(a.dry_g - (ln.g or 0)) < 0.5
        )
        if not unchanged:
            edits.append(Edit(ln.amount_span.start, ln.amount_span.end, said))
        edits += _without_stale_size(ln, a)
    if (
        not a.same
        and a.target.rinse == 0
        and (m := re.search(r",?\s*(?:well[- ])?(?:rinsed|washed)(?: well| until [^,]+)?", ln.text))
    ):
        edits.append(Edit(m.start(), m.end(), ""))
    edited = apply(ln.text, edits)
    return NewLine(
        edited.text,
        ln.text,
        "source_grain",
        edited.marks,
        "the same volume of another grain weighs otherwise",
        edited.olds,
    )


def _without_stale_size(ln: Line, a: Amounts) -> list[Edit]:
    """A second amount in brackets ("1 cup (185 g)", "250g/9oz") would now be wrong: it is brought up to date in grams."""
    if ln.amount_span is None:
        return []
    tail = ln.text[ln.amount_span.end :]
    in_brackets = re.search(r"\((?:about\s+|approx\.?\s+)?[\d.,/½¼¾⅓⅔ ]+\s*(?:g|oz|lb)\)", tail)
    if in_brackets and ln.unit not in ("g", "kg", "oz", "lb"):
        at = ln.amount_span.end
        return [Edit(at + in_brackets.start(), at + in_brackets.end(), f"({round_half_up(a.dry_g)} g)")]
    m = re.match(
        r"\s*(?:\(\s*(?:about\s+|approx\.?\s+)?[\d.,/½¼¾⅓⅔ ]+\s*(?:g|oz|ml|lb|cups?)\s*\)|/\s*[\d.,½¼¾]+\s*(?:g|oz|lb|ml|cups?)\b)",
        tail,
    )
    if not m:
        return []
    return [
        Edit(
            ln.amount_span.end,
            ln.amount_span.end + m.end(),
            f" ({round_half_up(a.dry_g)} g)" if ln.unit not in ("g", "kg") else "",
        )
    ]


def _carrier_line(ln: Line, a: Amounts, measures: Measures) -> NewLine:
    ml = a.carrier(ln.ml or 0.0)
    if ln.amount_span is None or abs(ml - (ln.ml or 0)) < 2.5:
        return NewLine(ln.text, ln.text, ln.role)
    edits = [
        Edit(
            ln.amount_span.start,
            ln.amount_span.end,
            said_liquid(ml, ln.unit, measures, ln.text[ln.amount_span.start : ln.amount_span.end]),
        )
    ]
    edits += _without_stale_liquid(ln)
    because = "this is what the grain drinks and the pot loses"
    strong = (ln.ml or 0) * a.mass * (1 if a.mass else a.scale)
    if ln.kind == "stock" and ml > strong * (1 + NOTICEABLE) and ml - strong > 40:
        edits.append(
            Edit(
                len(ln.text),
                len(ln.text),
                f" ({nearest(strong, 10)} ml of stock, let down with {nearest(ml, 10) - nearest(strong, 10)} ml of water)",
            )
        )
        because += "; the stock's salt follows the cooked weight, not the water"
    edited = apply(ln.text, edits)
    return NewLine(edited.text, ln.text, ln.role, edited.marks, because, edited.olds)


def _without_stale_liquid(ln: Line) -> list[Edit]:
    if ln.amount_span is None:
        return []
    m = re.match(
        r"\s*(?:\(\s*[\d.,/½¼¾⅓⅔ ]+\s*(?:g|oz|ml|l|cups?|pints?|fl oz)\s*\)|/\s*[\d.,½¼¾]+\s*(?:ml|fl oz|pints?|cups?)\b)",
        ln.text[ln.amount_span.end :],
    )
    return [Edit(ln.amount_span.end, ln.amount_span.end + m.end(), "")] if m else []


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
