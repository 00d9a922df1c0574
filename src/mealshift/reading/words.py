"""The reader's word lists (data/words.toml)."""

from __future__ import annotations

import tomllib
from functools import cache
from importlib import resources


@cache
def _lists() -> dict[str, str]:
    return tomllib.loads(resources.files(__package__).joinpath("data/words.toml").read_text(encoding="utf-8"))


@cache
def word_list(name: str) -> frozenset[str]:
    return frozenset(_lists()[name].split())
