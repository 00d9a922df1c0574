"""CSV for spreadsheets: cells that no sheet takes for a formula."""

from __future__ import annotations

from typing import Any

FORMULA = ("=", "+", "-", "@", "\t", "\r")


def safe_cell(value: Any) -> Any:
    """A cell as it is written: nothing for None, numbers without a tail, a text that looks like a formula behind an apostrophe.

    >>> safe_cell("=1+1"), safe_cell(2.0), safe_cell(None)
    ("'=1+1", '2', '')
    """
    if isinstance(value, str) and value.startswith(FORMULA):
        return f"'{value}"
    if isinstance(value, float):
        return f"{value:g}"
    return "" if value is None else value
