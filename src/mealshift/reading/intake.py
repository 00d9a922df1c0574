"""From whatever was brought (plain text, Markdown, JSON-LD, a saved page) to one clean text.

Everything later works on that text, so that every mark has a place the cook can see.
"""

from __future__ import annotations

import html
import json
import re
from collections.abc import Iterator
from itertools import islice
from typing import Any

from ..problems import Refusal
from ..quick import lazy
from ..text import columns, scans, sizes
from ..text.plain import written

# what no recipe is beyond; a text within these is read in well under half a second (docs/reliability.md)
MOST_CHARACTERS = 20_000
MOST_LINES = 500
MOST_LINE = 4_000
# what the stages look at one by one
_SIGNS = (
    ("numbers", lazy(r"\d+|[½¼¾⅓⅔⅛]|\b(?:one|two|three|four|five|six|ten|half|quarter)\b", re.I), 1_000),
    ("little words", lazy(r"\b(?:an?|and|or)\b", re.I), 1_200),
    ("sentences", lazy(r"[.;!?](?=\s)"), 800),
    ("commas, dashes and brackets", lazy(r"[,(\[{·•—–|]"), 2_000),
)
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
# half of a letter that some programs cut in two; it can be neither shown nor kept
_HALF_LETTER = lazy("[\ud800-\udfff]")
_LONG_NUMBER = lazy(r"\d{60,}")
_CONTROL = lazy(r"[\x00-\x08\x0b\x0e-\x1f]")


def clean(brought: str) -> str:
    """The text to read. Refusal if it is empty, not text, or longer than any recipe."""
    brought = _HALF_LETTER.sub("\ufffd", brought)
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
    if structured is None and len(brought) > 4 * MOST_CHARACTERS:
        # not looked at any nearer
        raise Refusal(
            "too_long",
            "text",
            f"This is {len(brought) / 1000:,.0f} thousand characters, longer than any recipe: paste the one recipe you want to shift.",
        )
    text = structured if structured is not None else brought
    text = text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0c", "\n")
    if "&" in text:
        text = html.unescape(text)
    _bounded(text)
    if structured is None:
        text = sizes.one_size(columns.apart(scans.mended(written(text))))
    if long := _LONG_NUMBER.search(text):
        raise Refusal(
            "long_number",
            "text",
            f"A number of {len(long[0])} digits stands in this text (“{long[0][:8]}…”): no recipe has one, take it out.",
        )
    return _CONTROL.sub(" ", text.translate(_SAME_LENGTH)).strip("\n ")


def _bounded(text: str) -> None:
    """Refusal if the text is longer, has more lines, or a longer line than any recipe."""
    lines = text.split("\n")
    longest = max(map(len, lines))
    said = sum(bool(ln.strip()) for ln in lines)
    for what, signs, most in _SIGNS:
        if (n := len(signs.findall(text))) > most:
            raise Refusal(
                "too_long",
                "text",
                f"{n:,} {what} stand in this text, more than in any recipe: paste the one recipe you want to shift.",
            )
    if len(text) > MOST_CHARACTERS:
        raise Refusal(
            "too_long",
            "text",
            f"This is {len(text) / 1000:,.0f} thousand characters, longer than any recipe: paste the one recipe you want to shift.",
        )
    if said > MOST_LINES:
        raise Refusal(
            "too_long",
            "text",
            f"This has {said:,} lines, more than any recipe: paste the one recipe you want to shift.",
        )
    if longest > MOST_LINE:
        raise Refusal(
            "too_long",
            "text",
            f"A line of {longest:,} letters stands in this text: no recipe has one; break it where a step ends, or take it out.",
        )


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
        found = find_recipe(data) or _exported(data)
        if found is None:
            raise Refusal(
                "no_recipe",
                "text",
                "This JSON holds no recipe I can see: bring the recipe's own file, or paste its text.",
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
_WEIGHTS = ("script", "style", "svg", "noscript")
MOST_MARKUP = 1_000_000


def _elements(page: str, name: str) -> Iterator[tuple[int, int, int, int]]:
    """(start, end of the opening tag, start of the closing tag, end) of every element of that name, in one pass over the page:
    a pattern that looks for the end of each opening tag takes hours on a page that never closes one."""
    low, at = page.lower(), 0
    while (start := low.find(f"<{name}", at)) >= 0:
        inner = low.find(">", start)
        close = low.find(f"</{name}", inner) if inner >= 0 else -1
        end = low.find(">", close) if close >= 0 else -1
        if end < 0:
            return
        yield start, inner + 1, close, end + 1
        at = end + 1


def _without_weight(page: str) -> str:
    for name in _WEIGHTS:
        parts, at = [], 0
        for start, _, _, end in _elements(page, name):
            parts.append(page[at:start])
            at = end
        page = " ".join([*parts, page[at:]])
    return page


def _page(page: str) -> str:
    """JSON-LD in the page if there is any; else microdata, by a library that knows many pages."""
    scripts = (page[b:c] for a, b, c, _ in _elements(page, "script") if "ld+json" in page[a:b].lower())
    for script in islice(scripts, 50):
        try:
            found = find_recipe(json.loads(script))
        except (ValueError, RecursionError):
            continue
        if found and (found.get("recipeIngredient") or found.get("ingredients")):
            return recipe_text(found)
    body = _without_weight(page)
    if len(body) > MOST_MARKUP:
        raise Refusal("too_long", "text", "This page is too large to search: select the recipe's text and paste that.")
    if re.search(r"itemprop\s*=", body, re.I) and (parts := _microdata(body)):
        return recipe_text(parts)
    return _article(body)


_BREAK = "§§"
_NO_RECIPE = "I found no recipe inside this page: select the recipe's text and paste that."


def _microdata(page: str) -> dict[str, Any] | None:
    """A page marked up attribute by attribute, by a library that knows many pages; None if it finds no ingredients."""
    from recipe_scrapers import scrape_html  # slow to import, and only such pages need it

    try:
        scraper = scrape_html(page, org_url="https://page.invalid/", supported_only=False)
        parts = {
            "name": _try(scraper.title),
            "recipeYield": _try(scraper.yields),
            "recipeIngredient": _try(scraper.ingredients),
            "recipeInstructions": _try(scraper.instructions_list),
        }
    except Exception:  # noqa: BLE001 - hostile pages break a parser in ways it does not name
        return None
    return parts if parts["recipeIngredient"] else None


def _article(page: str) -> str:
    """The text of a page that marks up nothing, without its menus and footers, by an extraction library."""
    from trafilatura import extract  # slow to import, and only such pages need it

    page = _without_layout(page)
    # lines that a page only breaks are lines of their own: a mark that lives through the extraction
    page = re.sub(r"<br\s*/?>", f" {_BREAK} ", page, flags=re.I)
    try:
        found = extract(
            page, output_format="txt", include_comments=False, include_tables=True, favor_recall=True, deduplicate=False
        )
    except Exception as fault:  # noqa: BLE001 - as above
        raise Refusal("no_recipe", "text", _NO_RECIPE) from fault
    title = re.search(r"<title[^>]{0,200}>([^<]{1,200})", page, re.I)
    body = re.sub(rf"[ \t]*\n?[ \t]*{_BREAK}[ \t]*\n?", "\n", found or "")
    if len(body) < 80:
        # a page of nothing but lists is no article to the library: its text as it stands
        body = re.sub(r"\n\s*\n\s*", "\n", html.unescape(re.sub(r"<[^>]{0,400}>", "\n", page)))
    if len(body.strip()) < 40:
        raise Refusal("no_recipe", "text", _NO_RECIPE)
    head = html.unescape(re.split(r"\s[|–—»-]\s", title[1])[0].strip()) if title else ""
    return body if not head or head.lower() in body[:400].lower() else f"{head}\n\n{body}"


# what stands in the cell of a table that only lays out a page, and the lines of an old one
_BLOCKS, _MANY_BREAKS = ["p", "ul", "ol", "h1", "h2", "h3", "h4", "table", "dl"], 3


def _without_layout(page: str) -> str:
    """A page laid out in tables without them: the extraction makes one line of a row, and so of the whole recipe."""
    if "<table" not in page.lower():
        return page
    from lxml import etree  # slow to import, and only such pages need it
    from lxml import html as markup

    try:
        tree = markup.document_fromstring(page)
    except (etree.LxmlError, ValueError):
        return page
    for table in list(tree.iter("table")):
        own = [e for e in table.iter("tbody", "thead", "tr", "td", "th") if next(e.iterancestors("table")) is table]
        cells = [e for e in own if e.tag in ("td", "th")]
        if any(next(c.iter(*_BLOCKS), None) is not None or len(list(c.iter("br"))) >= _MANY_BREAKS for c in cells):
            for e in (table, *own):
                e.tag = "div"
    return str(markup.tostring(tree, encoding="unicode"))


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
        kinds = [kind] if isinstance(kind, str) else kind if isinstance(kind, list) else []
        # also "http://schema.org/Recipe" and "schema:Recipe"
        if any(re.split("[/:#]", str(k))[-1] == "Recipe" for k in kinds[:20]):
            return data
        for key in ("@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item"):
            if key in data and (found := find_recipe(data[key], depth + 1)):
                return found
    return None


_KEYS = {
    "name": lazy(r"^(?:title|name|recipe_?(?:name|title))$", re.I),
    "recipeYield": lazy(r"^(?:servings?|serves|yields?|portions?|recipe_?yield)$", re.I),
    "recipeIngredient": lazy(r"^(?:(?:recipe_?)?ingredients?(?:_?(?:text|list|lines|groups?|sections?))?)$", re.I),
    "recipeInstructions": lazy(
        r"^(?:recipe_?)?(?:steps?|directions?|instructions?|method|procedure|preparation)(?:_?(?:text|list))?$", re.I
    ),
    "notes": lazy(r"^(?:notes?|comments?|tips?)$", re.I),
}


def _exported(data: Any, depth: int = 0) -> dict[str, Any] | None:
    """A recipe in an app's own words: the first object that has ingredients under some such name."""
    if depth > 6:
        return None
    if isinstance(data, list):
        return next((r for d in data[:200] if (r := _exported(d, depth + 1))), None)
    if not isinstance(data, dict):
        return None
    found = {to: data[k] for to, pattern in _KEYS.items() for k in data if pattern.match(str(k))}
    if found.get("recipeIngredient"):
        return {
            **found,
            "recipeIngredient": _lines_said(found["recipeIngredient"]),
            "recipeInstructions": found.get("recipeInstructions"),
            "recipeYield": " ".join(_lines_said(found.get("recipeYield"))),
        }
    return next((r for v in data.values() if (r := _exported(v, depth + 1))), None)


def _lines_said(value: Any, depth: int = 0) -> list[str]:
    """Every line of a value however it is nested; an object's words in a row: {"qty": "1/2", "unit": "cup", "food": "rice"}."""
    if depth > 5 or value is None:
        return []
    if isinstance(value, str | int | float):
        return [s for s in str(value).split("\n") if s.strip()]
    if isinstance(value, list):
        return [s for v in value[:300] for s in _lines_said(v, depth + 1)]
    if isinstance(value, dict):
        flat = [str(v).strip() for v in value.values() if isinstance(v, str | int | float) and str(v).strip()]
        nested = [s for v in value.values() if isinstance(v, list | dict) for s in _lines_said(v, depth + 1)]
        heading = [f"{flat[0]}:"] if nested and flat and not flat[0].isdigit() else []
        return [*heading, *nested] if nested else [_sentence(flat)] if flat else []
    return []


def _sentence(parts: list[str]) -> str:
    """ "1/2", "cup", "rice", "rinsed" → "1/2 cup rice, rinsed"."""
    if len(parts) > 2 and re.match(r"[\d½¼¾⅓⅔./ ]+$", parts[0]):
        return " ".join(parts[:3]) + "".join(f", {p}" for p in parts[3:])
    return " ".join(parts)


# steps that bring their number with them: "1. Boil the lentils", "Step 2: Add"
_OWN_NUMBER = lazy(r"^(?:step\s+)?\d{1,2}\s*[.):]\s+(?=\D)", re.I)


_SO_MANY = r"\d+(?:\s*(?:-|–|to|or)\s*\d+)?"


def recipe_text(recipe: dict[str, Any]) -> str:
    """A schema.org Recipe laid out as the plain text a cook would have written."""
    out = [_plain(recipe.get("name")) or "Untitled recipe", ""]
    yields = recipe.get("recipeYield")
    yields = _plain(yields[0] if isinstance(yields, list) and yields else yields)
    # "about 50 rolls, 6–8 as meze"
    at_table = re.search(rf"{_SO_MANY}(?=\s+(?:as|people|servings?|portions?|persons?)\b)", yields)
    if m := at_table or re.search(_SO_MANY, yields):
        out += [f"Serves {m[0]}", ""]
    out.append("Ingredients")
    ingredients = recipe.get("recipeIngredient") or recipe.get("ingredients") or []
    for line in ingredients if isinstance(ingredients, list) else str(ingredients).split("\n"):
        if said := _plain(line):
            out.append(f"- {said}")
    out += ["", "Method"]
    for n, step in enumerate(_steps(recipe.get("recipeInstructions")), 1):
        out.append(step if step.startswith("### ") else f"{n}. {_OWN_NUMBER.sub('', step)}")
    if notes := [s for v in _lines_said(recipe.get("notes")) if (s := _plain(v))]:
        out += ["", "Notes", *notes]
    return "\n".join(out)


def _steps(value: Any, depth: int = 0) -> list[str]:
    if depth > 6 or not value:
        return []
    if isinstance(value, str):
        parts = re.split(r"\n+|<br\s*/?>|</?li\b[^>]{0,200}>|</?p\b[^>]{0,200}>", _marked_up(value), flags=re.I)
        return [s for part in parts if (s := _plain(part))]
    if isinstance(value, list):
        return [s for v in value[:500] for s in _steps(v, depth + 1)]
    if isinstance(value, dict):
        if "itemListElement" in value:
            name = _plain(value.get("name"))
            return ([f"### {name}"] if name else []) + _steps(value["itemListElement"], depth + 1)
        said = _plain(value.get("text") or value.get("name"))
        return [said] if said else []
    return []


_ESCAPED_TAG = lazy(r"&lt;(/?(?:p|br|li|[uo]l|div|span|b|i|u|em|strong|a|h[1-6])\b[^<>&]{0,200})&gt;", re.I)


def _marked_up(text: str) -> str:
    """Tags that a saved page wrote as text are tags: "&lt;p&gt;Boil.&lt;/p&gt;". A bare "&lt; 5 min" stays words."""
    return _ESCAPED_TAG.sub(r"<\1>", text)


def _plain(value: Any) -> str:
    if isinstance(value, dict):
        value = value.get("@value") or value.get("name") or value.get("text") or ""
    text = html.unescape(re.sub(r"<[^>]{0,500}>", " ", _marked_up(str(value if value is not None else ""))))
    return re.sub(r"\s+", " ", text).strip()
