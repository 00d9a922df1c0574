"""Markdown that reads well as plain text too, and that our own reader takes back."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from . import parts


def to_markdown(shift: Mapping[str, Any]) -> str:
    out = [f"# {_plain(shift['title'])}", ""]
    if servings := parts.said_servings(shift):
        out += [f"Serves {servings}", ""]
    out += ["## Ingredients", ""]
    for section, rows in parts.ingredient_parts(shift):
        out += [*(["", f"### {_plain(section)}", ""] if section else []), *(f"- {_plain(i['text'])}" for i in rows)]
    out += ["", "## Method", ""]
    n = 0
    for section, rows in parts.step_parts(shift):
        out += ["", f"### {_plain(section)}", ""] if section else []
        for s in rows:
            n += 1
            out.append(f"{n}. {_plain(s['text'])}")
    out += [
        "",
        "## Notes",
        "",
        f"- {parts.pour(shift)}",
        *(f"- To check: {_plain(c)}" for c in parts.to_check(shift)),
        *(f"- Caution: {_plain(c)}" for c in parts.cautions(shift)),
        "",
    ]
    return "\n".join(out)


def _plain(text: str) -> str:
    """One line, and nothing a Markdown reader would take for markup or a tag."""
    return " ".join(text.split()).replace("\\", "\\\\").replace("<", "&lt;").replace("`", "'")
