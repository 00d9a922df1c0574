"""What is asked of recipes and shifts: read, shifted, compared and shown, nothing kept."""

from __future__ import annotations

import logging
from dataclasses import asdict, replace
from functools import lru_cache
from typing import Any

from django.db.models import Count

from mealshift import ENGINE_VERSION, comparing, pipeline
from mealshift.grains import grain
from mealshift.measures import Measures
from mealshift.pot import Kitchen
from mealshift.pot.packet import Packet
from mealshift.problems import Refusal
from mealshift.reading import read
from mealshift.recipe import Correction
from mealshift.results import GrainPage, PotReport, ReadReport, ShiftReport, WhatIf
from mealshift.shifting import Choice
from mealshift.shifting.alone import alone as just_a_pot
from mealshift_server.households.models import Household
from mealshift_server.kitchen.queries import core_kitchen, frozen, pot_of
from mealshift_server.larder.models import Bag
from mealshift_server.larder.queries import bag_for
from mealshift_server.taught.queries import factors_for

from .models import Draft, Recipe, Shift

_log = logging.getLogger("mealshift.laws")


def measures(household: Household) -> Measures:
    return Measures(cup_ml=household.cup_ml, measure_ml=household.measure_ml)


def volume_said(household: Household, ml: float) -> str:
    return household.manner.volume(ml, measures(household))


def corrections_of(raw: list[dict[str, Any]]) -> tuple[Correction, ...]:
    return tuple(
        Correction(
            c["line"],
            *(c.get(k) for k in ("role", "grain", "amount", "minutes", "kind", "cls", "method", "servings", "whole")),
        )
        for c in raw
    )


def choice_of(raw: dict[str, Any], household: Household) -> Choice:
    """The core's Choice from plain data, in the household's kitchen; Refusal from the core if a value cannot be."""
    rest = {
        k: v
        for k, v in raw.items()
        if k in Choice.__slots__ and k not in ("kitchen", "factors", "said_unit", "blend", "as_was", "packets")
    }
    return Choice(
        **rest,
        kitchen=core_kitchen(household, raw),
        factors=factors_for(household, raw, pot.pk if (pot := pot_of(household, raw)) else None),
        said_unit="measure",
        blend=tuple((p["grain"], p["share"]) for p in raw.get("blend") or []),
        as_was=tuple(raw.get("as_was") or ()),
        packets=tuple(Packet(p["grain"], p.get("ratio"), p.get("minutes")) for p in raw.get("packets") or []),
    )


def frozen_choice(household: Household, choice: dict[str, Any]) -> dict[str, Any]:
    """The choice with kitchen, bag and what was learnt as they are now written into it, so that a kept shift stays as it was."""
    pot = pot_of(household, choice)
    bag = bag_for(household, choice["to"], choice.get("bag_id")) if not choice.get("blend") else None
    choice = {**choice, "pot_id": pot.pk if pot else None, "bag_id": bag.pk if bag else None}
    return {**frozen(household, choice), "factors": asdict(choice_of(choice, household).factors)}


def with_kitchen(choice: Choice, kitchen: Kitchen) -> Choice:
    return replace(choice, kitchen=kitchen)


def shift_text(
    household: Household, text: str, corrections: list[dict[str, Any]], choice: dict[str, Any]
) -> ShiftReport:
    """The whole way, nothing kept. Laws that were broken are counted in the log, without a word of the recipe."""
    made = pipeline.whole_way(text, choice_of(choice, household), measures(household), corrections_of(corrections))
    for law in made["laws"]:
        _count(law["law"], str(choice["to"]), hash(text))
    return made


@lru_cache(maxsize=1024)
def _count(law: str, to: str, text: int) -> None:
    """Once a text, not with every touch."""
    _log.info("law broken: %s, to %s", law, to)


def read_text(household: Household, text: str, corrections: list[dict[str, Any]]) -> ReadReport:
    return pipeline.read_report(read(text, measures(household), corrections_of(corrections)))


def what_if(
    household: Household, text: str, corrections: list[dict[str, Any]], choice: dict[str, Any], changed: dict[str, Any]
) -> WhatIf:
    recipe = read(text, measures(household), corrections_of(corrections))
    return pipeline.what_if(pipeline.shift(recipe, choice_of(choice, household)), **changed)


def grain_page(household: Household, slug: str) -> GrainPage:
    return pipeline.grain_page(slug, core_kitchen(household, {}))


def other_way(household: Household, slug: str, asked: dict[str, Any]) -> PotReport:
    kitchen = core_kitchen(household, {"pot_cm": asked.pop("pot_cm"), "altitude_m": asked.pop("altitude_m")})
    return pipeline.other_way(slug, kitchen, **asked)


# rows of a list that are given at once
PAGE = 100


def page_of(number: int) -> slice:
    return slice((number - 1) * PAGE, number * PAGE)


def alone(household: Household, slug: str, amount: str, texture: str | None, pot_id: int | None) -> dict[str, Any]:
    kitchen = core_kitchen(household, {"pot_id": pot_id})
    text, way = just_a_pot(grain(slug), amount, texture, kitchen, measures(household))
    # nobody is asked how what was written here is cooked
    return {"text": text, "corrections": [{"line": "", "method": way}]}


@lru_cache(maxsize=64)
def try_example(text: str, to: str) -> dict[str, Any]:
    """The example that the first screen shows, in a grain: the same for everybody, so it is reckoned once."""
    return try_text(text, to)


def try_text(text: str, to: str) -> dict[str, Any]:
    """What one without an account is shown of a recipe; nothing of it is kept."""
    made = pipeline.tried(text, to)
    shifted = made["shift"]
    return {
        "text": text,
        "title": made["title"],
        "rows": made["rows"],
        "becomes": shifted["title"],
        "ingredients": [i["text"] for i in shifted["ingredients"] if i["text"]],
        "steps": [st["text"] for st in shifted["steps"] if st["text"]],
        "asked": len(pipeline.read_once(text).doubts),
    }


# recipes looked through at once: each costs a reading and a shift
DISHES_PAGE = 30
# a dish that the bag is enough for goes before any it is not
ENOUGH = 100.0


def dishes_from(household: Household, bag: Bag, page: int = 1) -> dict[str, Any]:
    """Of one page of the household's recipes those this grain suits, with why, whether the bag is enough, and how good they are among all pages'."""
    kitchen = core_kitchen(household, {})
    mine = Recipe.objects.filter(household=household, side=False).order_by("-updated", "-id")
    of = mine.count()
    pages = max(1, -(-of // DISHES_PAGE))
    page = min(max(1, page), pages)
    out = []
    for r in mine[(page - 1) * DISHES_PAGE : page * DISHES_PAGE]:
        try:
            recipe = read(r.text, measures(household), corrections_of(r.corrections))
            best = comparing.candidates(recipe, kitchen, only=frozenset({bag.grain}))
        except Refusal:
            continue
        if best and best[0].suited:
            c = best[0]
            enough = c.pot.dry_g <= bag.grams
            out.append(
                {
                    "recipe_id": r.pk,
                    "title": r.title,
                    "minutes": c.total_min,
                    "reason": c.reason,
                    "needs_g": round(c.pot.dry_g),
                    "enough": enough,
                    "rank": round(c.score + (ENOUGH if enough else 0.0), 4),
                }
            )
    return {"dishes": sorted(out, key=lambda d: (-d["rank"], d["title"])), "page": page, "pages": pages, "of": of}


def recipe_rows(household: Household, page: int) -> list[dict[str, Any]]:
    rows = Recipe.objects.filter(household=household).annotate(n=Count("shifts")).order_by("-updated", "-id")
    return [
        {"id": r.pk, "title": r.title, "version": r.version, "updated": r.updated, "shifts": r.n, "side": r.side}
        for r in rows[page_of(page)]
    ]


def shift_rows(household: Household, page: int) -> list[dict[str, Any]]:
    rows = Shift.objects.filter(household=household).only("id", "title", "grain", "recipe_id", "created", "result")
    return [_shift_row(k, household) for k in rows[page_of(page)]]


def _shift_row(kept: Shift, mine: Household) -> dict[str, Any]:
    pots = kept.result["pots"]
    pot = pots[0]
    pour_ml = pot["water"].get("jug_ml", pot["water"]["pour_ml"])
    return {
        "name": " and ".join(p["name"] for p in pots),
        "id": kept.pk,
        "title": kept.title,
        "grain": kept.grain,
        "recipe_id": kept.recipe_id,
        "created": kept.created,
        "pour_ml": pour_ml,
        "pour_said": volume_said(mine, pour_ml),
        "cook_min": pot["time"]["cook"]["typical"],
        "total_min": sum(p["min"] for p in kept.result["strip"]),
    }


def kept_shift(kept: Shift, mine: Household) -> dict[str, Any]:
    pots = pipeline.with_jugs(kept.result["pots"], mine.manner, measures(mine))
    return {
        "id": kept.pk,
        "title": kept.title,
        "grain": kept.grain,
        "recipe_id": kept.recipe_id,
        "created": kept.created,
        "engine": kept.engine,
        "engine_now": ENGINE_VERSION,
        "text": kept.text,
        "corrections": kept.corrections,
        "choice": kept.choice,
        "result": {**kept.result, "pots": pots},
    }


def draft(household: Household) -> dict[str, Any]:
    return draft_shown(Draft.objects.filter(household=household).select_related("by").first())


def draft_shown(found: Draft | None) -> dict[str, Any]:
    if found is None:
        return {"text": "", "corrections": [], "choice": None, "recipe_id": None, "by": "", "changed": None}
    return {
        "text": found.text,
        "corrections": found.corrections,
        "choice": found.choice,
        "recipe_id": found.recipe_id,
        "by": found.by.get_username() if found.by else "",
        "changed": found.changed,
    }
