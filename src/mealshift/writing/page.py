"""A page to print: one sheet for a usual recipe, no script, nothing fetched."""

from __future__ import annotations

import base64
import hashlib
from collections.abc import Mapping
from html import escape
from typing import Any

from ..measures import jug_ml
from . import parts

_STYLE = """
@page { size: A4; margin: 14mm }
body { font: 11pt/1.38 "Atkinson Hyperlegible Next Variable", "Atkinson Hyperlegible Next", system-ui, sans-serif; color: #18221F; max-width: 180mm;
  margin: 8mm auto; padding: 0 4mm }
h1 { font-size: 20pt; line-height: 1.1; margin: 0 0 1mm } h2 { font-size: 11pt; margin: 5mm 0 1mm }
p { margin: 0 } .pour { border: 1.5pt solid #18221F; border-radius: 3mm; padding: 3mm 4mm; margin: 4mm 0; display: flex; gap: 6mm; align-items: baseline }
.pour b { font-size: 26pt; white-space: nowrap; font-variant-numeric: tabular-nums } ul { padding: 0; margin: 0; list-style: none; columns: 2; column-gap: 10mm }
li { break-inside: avoid } ul li { border-bottom: .5pt dotted #88958F; padding: .8mm 0 } ol { margin: 0; padding-left: 6mm } ol li { padding: .7mm 0 }
li.part { list-style: none; font-weight: 650; border: 0; padding-top: 2mm } mark { background: #FFE99A; padding: 0 .5mm } .warn { font-size: 9pt; line-height: 1.3; border-top: 1pt solid #B4371E; margin-top: 5mm; padding-top: 2mm }
.warn p { padding: .5mm 0 } @media print { body { margin: 0; padding: 0 } }
"""

# a content security policy may allow just this style
STYLE_SHA256 = base64.b64encode(hashlib.sha256(_STYLE.encode()).digest()).decode()


def to_page(shift: Mapping[str, Any]) -> str:
    pot = shift["pots"][0]
    servings = parts.said_servings(shift)
    body = [
        f"<h1>{_marked(shift['title'], shift['title_marks'])}</h1>",
        f"<p>{'Serves ' + escape(servings) + '. ' if servings else ''}Shifted from {escape(shift['from']['name'])} to {escape(pot['name'])}.</p>",
        f'<div class="pour"><b>{" + ".join(str(jug_ml(p["water"]["pour_ml"])) for p in shift["pots"])} ml</b><p>{escape(parts.pour(shift))}</p></div>',
        "<h2>Ingredients</h2><ul>",
        *_rows(parts.ingredient_parts(shift)),
        "</ul>",
        "<h2>Method</h2><ol>",
        *_rows(parts.step_parts(shift)),
        "</ol>",
    ]
    if check := parts.to_check(shift):
        body += ["<h2>To check</h2>", *(f"<p>{escape(c)}</p>" for c in check)]
    body += ['<div class="warn">', *(f"<p>{escape(c)}</p>" for c in parts.cautions(shift)), "</div>"]
    return (
        '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">'
        f"<title>{escape(shift['title'])}</title><style>{_STYLE}</style></head><body>{''.join(body)}</body></html>"
    )


def _rows(found: list[tuple[str, list[dict[str, Any]]]]) -> list[str]:
    out = []
    for section, rows in found:
        out += [f'<li class="part">{escape(section)}</li>'] if section else []
        out += [f"<li>{_marked(r['text'], r['marks'])}</li>" for r in rows]
    return out


def _marked(text: str, marks: list[list[int]]) -> str:
    """The text with its changed stretches highlighted; everything escaped."""
    out, at = "", 0
    whole = len(marks) == 1 and marks[0] == [0, len(text)]
    for start, end in [] if whole else marks:
        out += escape(text[at:start]) + f"<mark>{escape(text[start:end])}</mark>"
        at = end
    rest = escape(text[at:])
    return f"<mark>{rest}</mark>" if whole else out + rest
