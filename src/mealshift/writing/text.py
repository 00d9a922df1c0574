"""Plain text, as a cook would type it, and the ledgers as CSV."""

from __future__ import annotations

import csv
import io
from collections.abc import Mapping
from typing import Any

from ..tables import safe_cell
from . import parts


def to_text(shift: Mapping[str, Any]) -> str:
    """A text that reads on paper and that our own reader takes back."""
    out = [*_head(shift), *_list(shift, ""), "", "Method", *_method(shift)]
    out += [
        "",
        "Notes",
        parts.pour(shift),
        *(f"To check: {c}" for c in parts.to_check(shift)),
        *(f"Caution: {c}" for c in parts.cautions(shift)),
        "",
    ]
    return "\n".join(out)


def recipe_alone(shift: Mapping[str, Any]) -> str:
    """The rewritten recipe and nothing else: title, servings, times, ingredients, numbered steps."""
    return "\n".join([*_head(shift), *_list(shift, "- "), "", "Method", *_method(shift)])


def _head(shift: Mapping[str, Any]) -> list[str]:
    servings = parts.said_servings(shift)
    return [x for x in (shift["title"], f"Serves {servings}" if servings else "", parts.times(shift)) if x]


def _list(shift: Mapping[str, Any], bullet: str) -> list[str]:
    """The list under its heading; a recipe told as prose has none."""
    out: list[str] = []
    for section, rows in parts.ingredient_parts(shift):
        out += [*(["", f"{section}:"] if section else []), *(f"{bullet}{i['text']}" for i in rows)]
    return ["", "Ingredients", *out] if out else []


def _method(shift: Mapping[str, Any]) -> list[str]:
    out: list[str] = []
    n = 0
    for section, rows in parts.step_parts(shift):
        out += ["", f"{section}:"] if section else []
        for s in rows:
            n += 1
            out.append(f"{n}. {s['text']}")
    return out


def to_csv(shift: Mapping[str, Any]) -> str:
    """Water and time ledgers of every pot: pot, ledger, term, amount, unit, because. Totals are rows of their own."""
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["pot", "ledger", "term", "amount", "unit", "because"])
    for pot in shift["pots"]:
        for row in pot["ledger"]:
            table.writerow([pot["name"], "water", row["term"], row["ml"], "ml", safe_cell(row["because"])])
        table.writerow([pot["name"], "water", "pour", pot["water"]["pour_ml"], "ml", "the sum of the rows above"])
        for row in pot["time_ledger"]:
            table.writerow([pot["name"], "time", row["term"], row["min"], "min", safe_cell(row["because"])])
        table.writerow([pot["name"], "time", "total", pot["time"]["total_min"], "min", "from heat on to the plate"])
    return out.getvalue()
