"""schema.org Recipe."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from . import parts


def to_jsonld(shift: Mapping[str, Any]) -> str:
    """A JSON-LD document. Cautions and the pour stand in the description, where a reader of recipes shows them."""
    pot = shift["pots"][0]
    prep = sum(s["min"] for s in shift["strip"] if s["kind"] in ("soak", "before", "roast"))
    cook = sum(s["min"] for s in shift["strip"] if s["kind"] not in ("soak", "before", "roast"))
    doc: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "Recipe",
        "name": shift["title"],
        "description": "\n".join([parts.pour(shift), *parts.cautions(shift)]),
        "recipeIngredient": parts.ingredients(shift),
        "recipeInstructions": [{"@type": "HowToStep", "text": text} for text in parts.steps(shift)],
        "prepTime": f"PT{prep}M",
        "cookTime": f"PT{cook}M",
        "totalTime": f"PT{prep + cook}M",
        "keywords": f"{pot['name']}, {pot['texture_word']}",
    }
    if servings := parts.said_servings(shift):
        doc["recipeYield"] = f"{servings} servings"
    return json.dumps(doc, ensure_ascii=False, indent=2) + "\n"
