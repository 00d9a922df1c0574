"""A shift in open formats: schema.org Recipe JSON-LD, Markdown, and a page to print.

Every writer takes the shift as plain data (pipeline.shift_report), so a kept shift is written as it was kept.
"""

from .jsonld import to_jsonld
from .markdown import to_markdown
from .page import STYLE_SHA256, to_page

__all__ = ["STYLE_SHA256", "to_jsonld", "to_markdown", "to_page"]
