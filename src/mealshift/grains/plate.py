"""How grains are on the plate, for comparing one with another: data/plate.toml."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass
from functools import cache
from importlib import resources

from .catalogue import BadRow, all_grains


@dataclass(frozen=True, slots=True)
class Plate:
    """Each from 0 to 4, as data/plate.toml says; taste: of what, "" where it is plain."""

    bite: float
    cling: float
    size: float
    dark: float
    strong: float
    taste: str


@cache
def _table() -> dict[str, Plate]:
    text = resources.files(__package__).joinpath("data/plate.toml").read_text(encoding="utf-8")
    rows = {slug: Plate(*row) for slug, row in tomllib.loads(text)["plate"].items()}
    missing = sorted({g.slug for g in all_grains()} ^ set(rows))
    if missing:
        raise BadRow(f"plate.toml: a grain without its row, or a row without its grain: {', '.join(missing)}")
    return rows


def plate(slug: str) -> Plate:
    """KeyError for what is no grain of the catalogue.

    >>> plate("barley-pearl").bite > plate("basmati").bite
    True
    """
    return _table()[slug]
