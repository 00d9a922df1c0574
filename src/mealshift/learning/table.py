"""The notebook as a CSV table, out and in. What goes out comes in again as it was."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any

from ..grains import grain
from ..pot.ways import one_of
from ..problems import Problem, Refusal
from ..tables import safe_cell

COLUMNS = (
    "date",
    "dish",
    "grain",
    "pot",
    "dry_ml",
    "predicted_ml",
    "poured_ml",
    "predicted_min",
    "taken_min",
    "dry_to_wet",
    "hard_to_mush",
    "word",
    "stars",
    "note",
)
# column → (lowest, highest, whole)
_NUMBERS: dict[str, tuple[float, float, bool]] = {
    "dry_ml": (5, 20000, False),
    "predicted_ml": (0, 60000, False),
    "poured_ml": (0, 60000, False),
    "predicted_min": (0, 600, False),
    "taken_min": (0.5, 600, False),
    "dry_to_wet": (-2, 2, True),
    "hard_to_mush": (-2, 2, True),
    "stars": (1, 5, True),
}
_NEEDED = ("date", "dish", "grain", "dry_ml")
MOST_ROWS = 5000


@dataclass(frozen=True, slots=True)
class Read:
    """rows: those that are understood, each with its number in the file. problems: those that are not, where = "row 7"."""

    rows: tuple[tuple[int, dict[str, Any]], ...]
    problems: tuple[Problem, ...]


def to_csv(rows: Iterable[Mapping[str, Any]]) -> str:
    """Rows of `COLUMNS`; None is an empty cell."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(COLUMNS)
    for row in rows:
        table.writerow([safe_cell(row.get(c)) for c in COLUMNS])
    return out.getvalue()


def from_csv(text: str) -> Read:
    """Refusal if it is no such table at all; a broken row is a problem and the others stand."""
    first = text.lstrip("\ufeff").splitlines()[:1]
    mark = max(",;\t", key=first[0].count) if first else ","
    table = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), delimiter=mark)
    names = [n.strip().lower() for n in table.fieldnames or []]
    missing = [c for c in _NEEDED if c not in names]
    if missing:
        raise Refusal(
            "columns",
            "csv",
            f"This table has no column {one_of(tuple(missing))}: its first row must name date, dish, grain and dry_ml; export yours to see how.",
        )
    table.fieldnames = names
    rows, problems = [], []
    for number, raw in enumerate(table, 2):
        if number > MOST_ROWS + 1:
            problems.append(
                Problem(
                    "rows",
                    f"row {number}",
                    f"Row {number} and what follows: a table holds up to {MOST_ROWS} rows here; bring the rest as another.",
                )
            )
            break
        if not any((v or "").strip() for k, v in raw.items() if k and isinstance(v, str)):
            continue
        try:
            rows.append(
                (number, _row({k: (v or "").strip() for k, v in raw.items() if k and isinstance(v, str | None)}))
            )
        except Refusal as fault:
            problems.append(Problem(fault.problem.code, f"row {number}", f"Row {number}: {fault.problem.text}"))
    return Read(tuple(rows), tuple(problems))


def _row(raw: dict[str, str]) -> dict[str, Any]:
    out: dict[str, Any] = {}
    try:
        out["date"] = date.fromisoformat(raw["date"])
    except ValueError:
        raise Refusal("date", "date", f"“{raw['date'][:20]}” is no date; write it as 2026-11-25.") from None
    if not raw["dish"]:
        raise Refusal("dish", "dish", "the dish has no name; write one.")
    out["dish"] = raw["dish"].removeprefix("'")[:240]
    out["grain"] = grain(raw["grain"]).slug
    for column, (low, high, whole) in _NUMBERS.items():
        cell = raw.get(column, "").removeprefix("'")
        if not cell:
            out[column] = None
            continue
        try:
            value = float(cell.replace(",", "."))
        except ValueError:
            value = float("nan")
        if not low <= value <= high or (whole and value != int(value)):
            raise Refusal(
                column,
                column,
                f"“{cell[:20]}” will not do for {column}; give {'a whole number' if whole else 'a number'} from {low:g} to {high:g}.",
            )
        out[column] = int(value) if whole else value
    if out["dry_ml"] is None:
        raise Refusal("dry_ml", "dry_ml", "dry_ml is empty; say how many millilitres of dry grain went in.")
    for column in ("pot", "word", "note"):
        out[column] = raw.get(column, "").removeprefix("'")[:500]
    return out
