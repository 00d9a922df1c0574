"""Quick patterns find what `re.compile` finds, in every text."""

import importlib
import pkgutil
import random
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mealshift
from mealshift.quick import _Quick, quick

CORPUS = Path(__file__).parents[2] / "corpus"
# what could be taken apart wrongly: a letter that may be missing, an empty alternative, a class, a look back, small and large letters, numbered groups
TRICKY = (
    r"colou?r|col|cold|co",
    r"a|ab|abc|b|",
    r"(?:ab|a)(?:c|bcd)",
    r"[ab]c|ad|a[bc]|b",
    r"(?<!ab|cd)(?:ab|cd|abc|da)",
    r"(a)b|(b)a|(a)c|(c)\2?",
    r"\bab\b|\.a|\.b|a\.|b{2}|ba{1,2}",
    r"(?:(?:ab|ac|ad|b)+|c)(?=d|a|b|c)",
    r"(?P<x>a|b|c|d)(?P=x)|(?-i:AB|Ac|Ad|b)|abcd",
    r"abc(?:d|a)*|(?:bcd)?a",
)


def spans(pattern: re.Pattern[str], text: str) -> list[tuple[int, int]]:
    return [m.span() for m in pattern.finditer(text)]


@pytest.mark.parametrize("flags", [0, re.I])
@pytest.mark.parametrize("source", TRICKY)
@given(text=st.text("abcdABD. ıİ", max_size=24))
def test_a_quick_pattern_finds_what_the_plain_one_finds(source: str, flags: int, text: str) -> None:
    plain, ours = re.compile(source, flags), quick(source, flags)

    assert spans(ours, text) == spans(plain, text)
    assert (ours.search(text) is None) == (plain.search(text) is None)
    assert ours.sub("-", text) == plain.sub("-", text)
    assert ours.split(text) == plain.split(text)


def of_the_house() -> Iterator[_Quick]:
    for module in pkgutil.walk_packages(mealshift.__path__, "mealshift."):
        if module.name.split(".")[1] not in ("cli", "__main__"):
            for held in vars(importlib.import_module(module.name)).values():
                yield from (p for p in (held, *(held.values() if isinstance(held, dict) else ())) if type(p) is _Quick)


def test_the_houses_own_patterns_find_the_same_in_cooks_texts() -> None:
    lines = [ln for f in sorted(CORPUS.glob("*/*.txt"))[::9] for ln in f.read_text(encoding="utf-8").splitlines() if ln]
    some = random.Random(3).sample(lines, 120)
    patterns = list({id(p): p for p in of_the_house()}.values())

    assert len(patterns) > 100
    for p in patterns:
        plain = re.compile(p.pattern, p.flags)
        assert [spans(p, ln) for ln in some] == [spans(plain, ln) for ln in some], p.pattern[:80]


def test_a_text_without_a_needed_word_is_not_looked_through() -> None:
    pattern = quick(r"\b(?:oven|bak(?:e|es|ing))\b", re.I)

    assert pattern.search("Simmer it") is None and pattern.search("in the OVEN")
    assert set(pattern._needs) == {"oven", "bak"}
