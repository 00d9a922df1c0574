"""The ways of cooking as a table (data/methods.toml): what each loses, how long it takes, how full it may be, and its words."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass, fields
from functools import cache
from importlib import resources
from typing import Any

from ..grains.catalogue import METHODS, BadRow


@dataclass(frozen=True, slots=True, kw_only=True)
class Method:
    """One row; the units and the meaning of every column stand at the head of the file."""

    slug: str
    lids: tuple[str, ...]
    stages: tuple[tuple[str, str], ...]
    lid: str = "ordinary"
    loss_lid: float = 0.0
    loss_cm2: float = 0.0
    loss_cm2_open: float = 0.0
    loss_min: float = 0.0
    loss_watts: float = 0.0
    loss_once: float = 0.0
    loss_whistle: float = 0.0
    loss_why: str = ""
    up_loss: float = 0.0
    up_loss_open: float = 0.0
    splash: float = 0.0
    power: float | str = "burner"
    up_plus: float = 0.0
    up_fixed: float | None = None
    base: str = "simmer"
    times: float = 1.0
    plus: float = 0.0
    least_min: float = 0.0
    gentle: float = 1.0
    brisk: float = 1.0
    soaks: bool = True
    said: str = ""
    rest_most: float | None = None
    rest_times: float = 0.0
    rest_fixed: float | None = None
    rest_why: str = "lid closed, off the heat: the last water moves into the middle of each grain"
    release: float = 0.0
    quick_release: float = 0.0
    fill: float = 2 / 3
    least_ml: float = 0.0
    plenty: bool = False
    locked: bool = False
    ends_dry: bool = False
    pours: bool = False
    resource: str = "burner"
    needs: str = ""
    begin: str = "bring it to the boil"
    up_sign: str = "it boils all over, not only at the edge"
    up_key: str = "It boils"
    cook_key: str = "It is done: off the heat"
    whistles: bool = False
    hint: str = ""
    sentence: str = ""
    add: str = "Sprinkle {ml} ml of boiling water over it, lid on, lowest heat, {n} more minutes. Do not stir."
    more: str = "Leave it alone: lid on, lowest heat, {n} more minutes."
    shed: str = "Lid off, low heat, {n} minutes, not stirring; then off and a cloth under the lid for 5."
    least_more: float = 3.0


@cache
def _rows() -> dict[str, Method]:
    file = resources.files(__package__).joinpath("data/methods.toml")
    raws = tomllib.loads(file.read_text(encoding="utf-8"))["method"]
    known = {f.name for f in fields(Method)}
    made = {}
    for raw in raws:
        if unknown := set(raw) - known:
            raise BadRow(f"methods.toml: {raw.get('slug')}: unknown {', '.join(sorted(unknown))}")
        made[raw["slug"]] = Method(**{k: _tuples(v) for k, v in raw.items()})
    if set(made) != set(METHODS):
        raise BadRow(f"methods.toml: its rows are not the methods: {', '.join(sorted(set(made) ^ set(METHODS)))}")
    return made


def _tuples(value: Any) -> Any:
    return tuple(_tuples(v) for v in value) if isinstance(value, list) else value


def method(slug: str) -> Method:
    """The row of a method; KeyError for what is none."""
    return _rows()[slug]
