"""Reads data/*.toml into Grains. A bad row stops the program with its file and line: a wrong number
must not reach a pot."""

from __future__ import annotations

import tomllib
from functools import cache
from importlib import resources
from typing import Any

from ..problems import Refusal
from .model import TEXTURES, Grain, Roast, School, Soak

METHODS = (
    "covered",
    "open",
    "drain",
    "soup",
    "steep",
    "flush",
    "steam",
    "off-heat",
    "rice-cooker",
    "pressure",
    "electric-pressure",
    "slow-cooker",
    "microwave",
    "oven",
    "cook-ahead",
)
_FILE_DEFAULTS = ("family", "form", "gluten", "keeping", "cautions", "basis", "range")
_NEEDED = (
    "slug",
    "name",
    "short",
    "whole",
    "density",
    "hydration",
    "simmer",
    "rest",
    "rinse",
    "rinse_why",
    "methods",
    "done_when",
    "aliases",
    "names",
)


class BadRow(ValueError):
    """A row of the catalogue that must not be used."""


def load(text: str, file: str) -> list[Grain]:
    """The grains of one data file. BadRow names file, line and slug of the row at fault."""
    try:
        data = tomllib.loads(text)
    except tomllib.TOMLDecodeError as fault:
        raise BadRow(f"{file}: {fault}") from fault
    defaults = {k: data[k] for k in _FILE_DEFAULTS if k in data}
    return [
        _row({"form": "grain", **defaults, **raw, **_merged(defaults, raw)}, f"{file}:{_line_of(text, raw)}")
        for raw in data["grain"]
    ]


def _merged(defaults: dict[str, Any], raw: dict[str, Any]) -> dict[str, Any]:
    """A row's own basis and range go on top of its file's, figure by figure."""
    return {k: {**defaults.get(k, {}), **raw.get(k, {})} for k in ("basis", "range")}


def _line_of(text: str, raw: dict[str, Any]) -> int:
    """The line on which a row names itself."""
    at = text.find(f'slug = "{raw.get("slug", "")}"')
    return text.count("\n", 0, max(at, 0)) + 1


def _row(raw: dict[str, Any], file: str) -> Grain:
    def bad(why: str) -> BadRow:
        return BadRow(f"{file}: {raw.get('slug', '(no slug)')}: {why}")

    missing = [k for k in _NEEDED if k not in raw]
    if missing:
        raise bad(f"lacks {', '.join(missing)}")
    hydration = raw["hydration"]
    steps = [hydration[t] for t in TEXTURES if t in hydration]
    if set(hydration) - set(TEXTURES[:-1]) or not steps:
        raise bad("hydration names a texture that does not exist, or none")
    if steps != sorted(set(steps)):
        raise bad("hydration must rise from separate to porridge")
    places = [TEXTURES.index(t) for t in hydration]
    if max(places) - min(places) + 1 != len(places):
        raise bad("hydration has a gap between two textures")
    if not 0.3 < raw["density"] < 1.1:
        raise bad("density is not that of a grain")
    if unknown := set(raw["methods"]) - set(METHODS):
        raise bad(f"unknown method {', '.join(unknown)}")
    if raw.get("usual", TEXTURES[1]) not in TEXTURES:
        raise bad("its usual texture is none")
    if raw["simmer"] == 0 and not raw.get("steep_min"):
        raise bad("neither simmered nor steeped")
    roast = raw.get("roast")
    known = {k: v for k, v in raw.items() if k not in ("soak", "roast")}
    known["methods"] = _also(known["methods"], known["form"], known["simmer"])
    for name in ("methods", "aliases", "whistles", "cautions"):
        if name in known:
            known[name] = tuple(known[name])
    try:
        return Grain(
            **known,
            soak=Soak(**raw["soak"]) if "soak" in raw else None,
            roast=Roast(roast["kind"], roast["min"], roast["why"], tuple(roast["for_textures"])) if roast else None,
        )
    except (TypeError, KeyError) as fault:
        raise bad(str(fault)) from fault


# a slow cooker is hours below the boil: what is done sooner than this is paste in it
SLOW_FROM_MIN = 10


def _also(methods: list[str], form: str, simmer: float) -> list[str]:
    """What every whole or cracked grain that is simmered can do besides: be cooked ahead, in a soup, in a slow cooker."""
    if "covered" not in methods or form == "meal":
        return methods
    more = ["soup", "cook-ahead", *(["slow-cooker"] if simmer >= SLOW_FROM_MIN else [])]
    return [*methods, *(m for m in more if m not in methods)]


@cache
def _by_slug() -> dict[str, Grain]:
    found: dict[str, Grain] = {}
    for file in sorted(resources.files(__package__).joinpath("data").iterdir(), key=lambda f: f.name):
        if file.name.endswith(".toml") and file.name not in ("schools.toml", "plate.toml"):
            for g in load(file.read_text(encoding="utf-8"), file.name):
                if g.slug in found:
                    raise BadRow(f"{file.name}: {g.slug}: stands twice in the catalogue")
                found[g.slug] = g
    return found


def all_grains() -> tuple[Grain, ...]:
    return tuple(_by_slug().values())


def grain(slug: str) -> Grain:
    """The grain of that slug; Refusal with the nearest slugs if there is none."""
    try:
        return _by_slug()[slug]
    except KeyError:
        from rapidfuzz import process

        near = [m[0] for m in process.extract(slug, list(_by_slug()), limit=3, score_cutoff=70)]
        hint = f"did you mean {' or '.join(near)}?" if near else "`mealshift grains` lists them."
        raise Refusal("grain", "grain", f"There is no grain “{slug[:40]}” in the catalogue; {hint}") from None


@cache
def _schools() -> tuple[School, ...]:
    text = resources.files(__package__).joinpath("data/schools.toml").read_text(encoding="utf-8")
    found = []
    for raw in tomllib.loads(text)["school"]:
        grains = tuple(raw.pop("for"))
        if unknown := [g for g in grains if g not in _by_slug()]:
            raise BadRow(f"schools.toml:{_line_of(text, raw)}: {raw['slug']}: no such grain: {', '.join(unknown)}")
        found.append(School(grains=grains, **raw))
    return tuple(found)


def schools(slug: str) -> tuple[School, ...]:
    """The schools of a grain, its default first."""
    return tuple(sorted((s for s in _schools() if slug in s.grains), key=lambda s: not s.default))
