"""What is asked of the notebook: entries found, the table, the lessons as they stand."""

from __future__ import annotations

from typing import Any

from django.db.models import Exists, OuterRef, Q, QuerySet

from mealshift import learning
from mealshift.cooking.record import predicted
from mealshift.grains import all_grains, grain
from mealshift.learning import CATALOGUE, table
from mealshift.pot import default_way, solve
from mealshift_server.households.models import Household
from mealshift_server.kitchen.models import Pot
from mealshift_server.larder.models import Bag
from mealshift_server.recipes import queries as recipes
from mealshift_server.taught import queries as taught
from mealshift_server.taught.models import Decision

from .models import Entry, Photo

PAGE = 30


def plain(household: Household, raw: dict[str, Any], ml: float) -> dict[str, Any]:
    """Predicted for a grain by itself, the way it is usually cooked."""
    choice = recipes.choice_of(raw, household)
    g = grain(raw["to"])
    return predicted(
        solve(
            g,
            ml,
            default_way(g, lid=choice.kitchen.lid if "covered" in g.methods else None),
            choice.kitchen,
            choice.factors,
        ),
        choice.factors,
    )


def entries(household: Household) -> QuerySet[Entry]:
    """Each with who wrote it and whether it has a photo."""
    return (
        Entry.objects.filter(household=household)
        .select_related("by")
        .annotate(photos=Exists(Photo.objects.filter(entry=OuterRef("pk"))))
    )


def found(household: Household, words: str, grain_slug: str, pot: str) -> QuerySet[Entry]:
    """The entries that fit; words are looked for in dish, word and note."""
    out = entries(household)
    for word in words.split()[:8]:
        out = out.filter(
            Q(dish__icontains=word) | Q(word__icontains=word) | Q(note__icontains=word) | Q(grain__icontains=word)
        )
    if grain_slug:
        out = out.filter(grain=grain_slug)
    return out.filter(pot_name=pot) if pot else out


def page(
    household: Household, words: str, grain_slug: str, pot: str, number: int, cooking: int | None
) -> dict[str, Any]:
    """One page of the entries that fit, and what can be looked for. cooking: only those of that evening."""
    fitting = found(household, words, grain_slug, pot)
    if cooking is not None:
        fitting = fitting.filter(cooking_id=cooking)
    total = fitting.count()
    pages = max(1, -(-total // PAGE))
    number = min(max(1, number), pages)
    every = Entry.objects.filter(household=household).order_by()
    return {
        "entries": [row(e, household) for e in fitting[(number - 1) * PAGE : number * PAGE]],
        "total": total,
        "page": number,
        "pages": pages,
        "grains": sorted(every.values_list("grain", flat=True).distinct()),
        "pots": sorted(every.values_list("pot_name", flat=True).distinct()),
    }


def row(e: Entry, mine: Household) -> dict[str, Any]:
    p = e.predicted
    volumes = {"dry": p["dry_ml"], "pour": p["pour_ml"], "poured": e.poured_ml, "top_ups": e.top_ups_ml}
    return {
        **{f"{k}_said": recipes.volume_said(mine, ml) if ml else "" for k, ml in volumes.items()},
        **{
            f: p[f]
            for f in (
                "name",
                "dry_ml",
                "dry_g",
                "pour_ml",
                "low_ml",
                "high_ml",
                "cook_min",
                "texture",
                "lid",
                "method",
                "soak_min",
            )
        },
        **{
            f: getattr(e, f)
            for f in (
                "id",
                "on",
                "dish",
                "grain",
                "pot_name",
                "poured_ml",
                "top_ups_ml",
                "taken_min",
                "wet",
                "soft",
                "word",
                "stars",
                "note",
                "practice",
                "counts",
            )
        },
        "by": e.by.get_username() if e.by else "",
        "photo": bool(getattr(e, "photos", False)),
    }


# -- the table -------------------------------------------------------------------------------------------------


def to_csv(household: Household) -> str:
    rows = Entry.objects.filter(household=household).iterator(500)
    return table.to_csv(
        {
            "date": e.on.isoformat(),
            "dish": e.dish,
            "grain": e.grain,
            "pot": e.pot_name,
            "dry_ml": e.predicted["dry_ml"],
            "predicted_ml": e.predicted["pour_ml"],
            "poured_ml": e.poured_ml,
            "predicted_min": e.predicted["cook_min"],
            "taken_min": e.taken_min,
            "dry_to_wet": e.wet,
            "hard_to_mush": e.soft,
            "word": e.word,
            "stars": e.stars,
            "note": e.note,
        }
        for e in rows
    )


# -- lessons ---------------------------------------------------------------------------------------------------


def core_entries(household: Household) -> list[learning.Entry]:
    """The newest entries that count, as the core learns from them."""
    out = []
    for e in Entry.objects.filter(household=household, counts=True).only(
        "id", "on", "grain", "pot_id", "bag_id", "predicted", "poured_ml", "taken_min", "wet", "soft"
    )[:600]:
        f = learning.renewed(e.predicted)
        got = (
            f.taught_ml + e.poured_ml - e.predicted["pour_ml"]
            if e.poured_ml is not None and e.predicted["tells_water"]
            else None
        )
        out.append(
            learning.Entry(
                str(e.pk),
                e.on.toordinal(),
                e.grain,
                str(e.pot_id or ""),
                str(e.bag_id or ""),
                f,
                got,
                e.taken_min,
                e.wet,
                e.soft,
            )
        )
    return out


def lessons(household: Household) -> list[learning.Lesson]:
    refused = {
        (d.kind, d.subject): d.refused
        for d in Decision.objects.filter(household=household, refused__isnull=False, catalogue=learning.CATALOGUE)
        if d.refused is not None
    }
    return learning.lessons(core_entries(household), taught.held(household), refused, _names(household))


def _names(household: Household) -> dict[tuple[str, str], str]:
    names: dict[tuple[str, str], str] = {}
    # a blend has no row of its own to have learnt
    single = {g.slug for g in all_grains()}
    for slug in Entry.objects.filter(household=household).values_list("grain", flat=True).distinct().order_by():
        if slug not in single:
            continue
        names |= {(kind, slug): grain(slug).name for kind in ("water_grain", "time_grain")}
    for p in Pot.objects.filter(household=household):
        names["pot", str(p.pk)] = p.name
    for b in Bag.objects.filter(household=household):
        names |= {(kind, str(b.pk)): f"this bag of {b.name}" for kind in ("water_bag", "time_bag")}
    return names


def lessons_shown(household: Household) -> dict[str, Any]:
    """Those that wait for a yes or a no, and those that are held."""
    held = Decision.objects.filter(household=household, held__isnull=False, catalogue=CATALOGUE)
    return {
        "lessons": [
            {
                "kind": x.kind,
                "subject": x.subject,
                "value": x.value,
                "was": x.was,
                "text": x.text,
                "entries": [int(i) for i in x.entries],
            }
            for x in lessons(household)
        ],
        "held": [
            {
                "kind": d.kind,
                "subject": d.subject,
                "value": d.held,
                "text": d.text,
                "entries": [int(i) for i in d.entries],
                "decided": d.decided,
            }
            for d in held
        ],
    }
