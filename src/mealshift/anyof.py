"""One pattern for any of many words, as a tree of their letters.

A plain alternation of some hundred words is tried word by word at every place of a text; a tree is left at the first letter that no word has.

A case by hand: cup, cups, can → "c(?:an|ups?)", where "cups|cup|can" tries each.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from typing import Any


def any_of(words: Iterable[str], said: Mapping[str, str] | None = None) -> str:
    """A group that matches any of the words, the longest first. said: patterns for letters that may be written in several ways.

    A letter that stands in both cases among the words is matched in both.

    >>> re.fullmatch(any_of(["cup", "cups", "can"]), "cups")[0], re.match(any_of(["a", "ab"]), "abc")[0]
    ('cups', 'ab')
    >>> any_of(["rice grits", "rice"], {" ": r"[\\s-]+"})
    '(?:rice(?:[\\\\s-]+grits)?)'
    """
    tree: dict[str, Any] = {}
    for word in words:
        node = tree
        for c in word:
            node = node.setdefault(c, {})
        node[""] = None
    return f"(?:{_written(tree, said or {})})"


def _written(node: Mapping[str, Any], said: Mapping[str, str]) -> str:
    branches = [said.get(c, re.escape(c)) + _written(deeper, said) for c, deeper in sorted(node.items()) if c]
    if not branches:
        return ""
    if "" in node:
        # the longer words first: the word may end here too
        return f"(?:{'|'.join(branches)})?"
    return branches[0] if len(branches) == 1 else f"(?:{'|'.join(branches)})"
