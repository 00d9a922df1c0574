"""A shift in open formats: schema.org Recipe JSON-LD, Markdown, plain text, CSV, and a page to print.

Every writer takes the shift as plain data (pipeline.shift_report), so a kept shift is written as it was kept.
"""

from .calendar import to_ics, week_to_ics
from .jsonld import to_jsonld
from .markdown import to_markdown
from .page import STYLE_SHA256, to_page
from .text import recipe_alone, to_csv, to_text

__all__ = [
    "recipe_alone",
    "STYLE_SHA256",
    "to_csv",
    "to_ics",
    "to_jsonld",
    "to_markdown",
    "to_page",
    "to_text",
    "week_to_ics",
]
