"""What a recipe says of its own times in one line: "Soaking: 20 mins | Cook time: 15 mins", "Times: no soak, at the heat 14 minutes, rest 5 minutes".

Such a line decides between readings of the steps (`settle.py`); it never stands for what the steps do not say. "Cook time" is not used: most cooks count the onions in it.
"""

from __future__ import annotations

import re

from ..quick import lazy
from ..text.times import stretches

# field of a reading → what a card calls it, or says there is none of
_CALLED = {
    "soak": lazy(r"\b(?:no (?P<none>soak(?:ing)?)\b|soak(?:ing)?(?: time)?\b)", re.I),
    "simmer": lazy(r"\bat the heat\b", re.I),
    "rest": lazy(r"\b(?:no (?P<none>rest(?:ing)?)\b|(?:rest(?:ing)?|standing)(?: time)?\b)", re.I),
}
# a line of times is short, and says nothing else
_MOST, _PART = 160, lazy(r"[|•·,;/]|\s[-–—]\s")
_CARD = lazy(
    r"^\W*(?:times?|prep\w*|cook\w*|soak\w*|rest\w*|total|active|hands.on)\b(?:\s*time)?\s*[:\s]\s*\D{0,20}\d|^\W*times\s*:",
    re.I,
)
_WORDS = lazy(r"[^\W\d_]+")
# words a part of such a line is made of
_MOST_WORDS = 6


def totals(lines: list[str]) -> dict[str, float]:
    """Field → minutes. lines: the text's lines that are neither ingredient nor step."""
    out: dict[str, float] = {}
    for line in lines:
        if len(line) > _MOST or not _CARD.search(line):
            continue
        for part in _PART.split(line):
            if len(_WORDS.findall(part)) > _MOST_WORDS:
                continue
            for field, called in _CALLED.items():
                m = called.search(part)
                if m is None or field in out:
                    continue
                told = [s.typical for s in stretches(part)]
                if m.groupdict().get("none"):
                    out[field] = 0.0
                elif len(told) == 1:
                    out[field] = told[0]
    return out
