"""From whatever was brought (plain text, Markdown, JSON-LD, a saved page) to one clean text.

Everything later works on that text, so that every mark has a place the cook can see.
"""

from __future__ import annotations

import html
import json
import re
from typing import Any

from ..problems import Refusal

MOST_CHARACTERS = 60_000
MOST_PAGE_CHARACTERS = 3_500_000

_SAME_LENGTH = str.maketrans(
    {
        "\u00a0": " ",
        "\u2009": " ",
        "\u202f": " ",
        "\u2007": " ",
        "’": "'",
        "‘": "'",
        "\t": " ",
        "\u200b": " ",
        "\ufeff": " ",
        "\u2044": "/",
    }
)
_CONTROL = re.compile(r"[\x00-\x08\x0b\x0e-\x1f]")


def clean(brought: str) -> str:
    """The text to read. Refusal if it is empty, not text, or longer than any recipe."""
    head = brought[:4000]
    if "\x00" in head or len(_CONTROL.findall(head)) > len(head) * 0.02 + 1 or head.count("\ufffd") > 20:
        raise Refusal(
            "binary", "text", "This is not a text: bring the recipe as plain text, or a .txt, .md, .json or .html file."
        )
    if not brought.strip():
        raise Refusal(
            "empty", "text", "There is nothing to read yet: paste a recipe, or start from one of the demo recipes."
        )
    structured = _structured(brought)
    if structured is None and len(brought) > MOST_CHARACTERS:
        raise Refusal(
            "too_long",
            "text",
            f"This is {len(brought) / 1000:,.0f} thousand characters, longer than any recipe: "
            "paste the one recipe you want to shift.",
        )
    text = structured if structured is not None else brought
    text = text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0c", "\n")
    if "&" in text:
        text = html.unescape(text)
    return _CONTROL.sub(" ", text.translate(_SAME_LENGTH)).strip("\n ")


def _structured(brought: str) -> str | None:
    """The recipe of a JSON-LD document or a saved page as text; None if it is plain text."""
    start = brought.lstrip()[:400].lower()
    if start.startswith(("{", "[")):
        if len(brought) > MOST_PAGE_CHARACTERS:
            raise Refusal("too_long", "text", "This file is larger than any recipe: bring one of under 3 MB.")
        try:
            data = json.loads(brought)
        except (ValueError, RecursionError):
            return None
        found = find_recipe(data)
        if found is None:
            raise Refusal(
                "no_recipe",
                "text",
                "This JSON holds no schema.org Recipe: bring the recipe's own file, or paste its text.",
            )
        return recipe_text(found)
    if start.startswith(("<!doctype", "<html", "<?xml", "<head", "<body")) or (
        "<script" in start and "ld+json" in start
    ):
        if len(brought) > MOST_PAGE_CHARACTERS:
            raise Refusal(
                "too_long",
                "text",
                "This page is larger than 3 MB: save only the page itself, or paste the recipe's text.",
            )
        return _page(brought)
    return None


# what a page carries that is no recipe; parsing it would cost seconds
_WEIGHT = re.compile(r"<(script|style|svg|noscript)\b.{0,400000}?</\1\s*>", re.I | re.S)
MOST_MARKUP = 1_000_000
_LD_SCRIPT = re.compile(r"<script\b[^>]{0,300}\bld\+json\b[^>]{0,300}>(.*?)</script", re.I | re.S)


def _page(page: str) -> str:
    """JSON-LD in the page if there is any; else microdata, by a library that knows many pages."""
    for script in _LD_SCRIPT.findall(page)[:50]:
        try:
            found = find_recipe(json.loads(script))
        except (ValueError, RecursionError):
            continue
        if found and (found.get("recipeIngredient") or found.get("ingredients")):
            return recipe_text(found)
    body = _WEIGHT.sub(" ", page)
    if not re.search(r"itemprop\s*=|schema\.org", body, re.I):
        raise Refusal(
            "no_recipe", "text", "I found no recipe inside this page: select the recipe's text and paste that."
        )
    if len(body) > MOST_MARKUP:
        raise Refusal("too_long", "text", "This page is too large to search: select the recipe's text and paste that.")
    page = body
    from recipe_scrapers import scrape_html  # slow to import, and only such pages need it

    refusal = Refusal(
        "no_recipe", "text", "I found no recipe inside this page: select the recipe's text and paste that."
    )
    try:
        scraper = scrape_html(page, org_url="https://page.invalid/", supported_only=False)
        parts = {
            "name": _try(scraper.title),
            "recipeYield": _try(scraper.yields),
            "recipeIngredient": _try(scraper.ingredients),
            "recipeInstructions": _try(scraper.instructions_list),
        }
    except Exception as fault:  # noqa: BLE001 - hostile pages break a parser in ways it does not name
        raise refusal from fault
    if not parts["recipeIngredient"]:
        raise refusal
    return recipe_text(parts)


def _try(call: Any) -> Any:
    """A field the page does not have is a field the recipe does not have."""
    try:
        return call()
    except Exception:  # noqa: BLE001 - as above
        return None


def find_recipe(data: Any, depth: int = 0) -> dict[str, Any] | None:
    """The first schema.org Recipe in a JSON-LD value: bare, in a list, or in @graph."""
    if depth > 8:
        return None
    if isinstance(data, list):
        return next((r for r in (find_recipe(d, depth + 1) for d in data[:500]) if r), None)
    if isinstance(data, dict):
        kind = data.get("@type", "")
        if "Recipe" in ([kind] if isinstance(kind, str) else kind):
            return data
        for key in ("@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item"):
            if key in data and (found := find_recipe(data[key], depth + 1)):
                return found
    return None


def recipe_text(recipe: dict[str, Any]) -> str:
    """A schema.org Recipe laid out as the plain text a cook would have written."""
    out = [_plain(recipe.get("name")) or "Untitled recipe", ""]
    yields = recipe.get("recipeYield")
    yields = _plain(yields[0] if isinstance(yields, list) and yields else yields)
    if m := re.search(r"\d+", yields):
        out += [f"Serves {m[0]}", ""]
    out.append("Ingredients")
    ingredients = recipe.get("recipeIngredient") or recipe.get("ingredients") or []
    for line in ingredients if isinstance(ingredients, list) else str(ingredients).split("\n"):
        if said := _plain(line):
            out.append(f"- {said}")
    out += ["", "Method"]
    for n, step in enumerate(_steps(recipe.get("recipeInstructions")), 1):
        out.append(step if step.startswith("### ") else f"{n}. {step}")
    return "\n".join(out)


def _steps(value: Any, depth: int = 0) -> list[str]:
    if depth > 6 or not value:
        return []
    if isinstance(value, str):
        return [s for part in re.split(r"\n+|<br\s*/?>|</?li>|</?p>", value) if (s := _plain(part))]
    if isinstance(value, list):
        return [s for v in value[:500] for s in _steps(v, depth + 1)]
    if isinstance(value, dict):
        if "itemListElement" in value:
            name = _plain(value.get("name"))
            return ([f"### {name}"] if name else []) + _steps(value["itemListElement"], depth + 1)
        said = _plain(value.get("text") or value.get("name"))
        return [said] if said else []
    return []


def _plain(value: Any) -> str:
    if isinstance(value, dict):
        value = value.get("@value") or value.get("name") or value.get("text") or ""
    text = html.unescape(re.sub(r"<[^>]{0,500}>", " ", str(value if value is not None else "")))
    return re.sub(r"\s+", " ", text).strip()
