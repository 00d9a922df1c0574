"""Changes of state of the notebook, one function each."""

from __future__ import annotations

from datetime import date
from typing import Any

from django.db import transaction

from mealshift import learning
from mealshift.cooking.record import predicted
from mealshift.grains import grain
from mealshift.learning import table
from mealshift.measures import parse_amount
from mealshift.problems import Problem, Refusal
from mealshift.reading import read
from mealshift.shifting import shift
from mealshift_server.base.clock import day_of, today
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.models import Pot
from mealshift_server.kitchen.queries import pot_of
from mealshift_server.larder import actions as larder
from mealshift_server.larder.models import Bag
from mealshift_server.recipes import queries as recipes
from mealshift_server.recipes.models import Shift
from mealshift_server.taught.models import Decision

from . import photos
from .models import Entry, Photo
from .queries import lessons, plain

OUTCOME = ("on", "poured_ml", "taken_min", "wet", "soft", "word", "stars", "note", "counts")


def write(
    household: Household,
    cooking_id: int,
    user: User | None,
    on: date,
    practice: bool,
    records: list[dict[str, Any]],
    pots: dict[str, tuple[Pot | None, int | None]],
) -> list[dict[str, Any]]:
    """The entries of a cooking that is over. Written again after a slip was undone: what the cook has said since stays. pots: each
    one's pot of the kitchen and bag of the larder. The records that are new."""
    new = []
    for r in records:
        pot, bag = pots[r["pot"]]
        _, created = Entry.objects.update_or_create(
            cooking_id=cooking_id,
            pot_key=r["pot"],
            household=household,
            defaults={
                "predicted": r["predicted"],
                "poured_ml": r["poured_ml"],
                "top_ups_ml": r["top_ups_ml"],
                "taken_min": r["taken_min"],
            },
            create_defaults={
                "predicted": r["predicted"],
                "poured_ml": r["poured_ml"],
                "top_ups_ml": r["top_ups_ml"],
                "taken_min": r["taken_min"],
                "on": on,
                "dish": r["dish"][:240],
                "grain": r["predicted"]["grain"],
                "pot": pot,
                "pot_name": pot.name if pot else f"{r['predicted']['pot_cm']:g} cm",
                "bag_id": bag,
                "note": " ".join(r["notes"]),
                "practice": practice,
                "counts": not practice,
                "by": user,
            },
        )
        new += [r] if created else []
    return new


def add(household: Household, user: User | None, data: dict[str, Any]) -> Entry:
    """A finished meal written down by hand: from a kept shift, or from a grain, an amount and a pot."""
    kept = Shift.objects.filter(household=household, pk=data["shift_id"]).first() if data.get("shift_id") else None
    if kept is not None:
        choice = recipes.choice_of(kept.choice, household)
        made = shift(
            read(kept.text, recipes.measures(household), recipes.corrections_of(kept.corrections)),
            choice,
        )
        said, dish = predicted(made.pot, choice.factors), data.get("dish") or kept.title
        # the bag it was kept with may have been used up and taken off the list since
        pot = pot_of(household, kept.choice)
        bag_id = (
            Bag.objects.filter(household=household, pk=kept.choice.get("bag_id")).values_list("pk", flat=True).first()
        )
    else:
        dish = (data.get("dish") or "").strip()
        if not dish:
            raise Refusal("dish", "dish", "Say what it was: a dish of your list, or a name.")
        if not data.get("grain"):
            raise Refusal("grain", "grain", "Say which grain it was.")
        amount = parse_amount(data.get("amount") or "", recipes.measures(household))
        ml = amount.ml if amount.ml is not None else (amount.g or 0.0) / grain(data["grain"]).density
        raw = {"to": grain(data["grain"]).slug, "pot_id": data.get("pot_id")}
        pot, bag_id = pot_of(household, raw), None
        said = plain(household, raw, ml)
    entry = Entry(
        household=household,
        on=data.get("on") or today(household),
        dish=dish[:240],
        grain=said["grain"],
        predicted=said,
        pot=pot,
        pot_name=pot.name if pot else f"{said['pot_cm']:g} cm",
        bag_id=bag_id,
        by=user,
    )
    _outcome(entry, {k: data.get(k) for k in OUTCOME if data.get(k) is not None})
    # a meal of before the bag was in the larder did not come out of it
    if entry.bag is not None and entry.on >= day_of(household, entry.bag.created):
        larder.take(entry.bag, said["dry_g"])
    return entry


def change(entry: Entry, data: dict[str, Any]) -> Entry:
    """How it came out, and what was really poured and taken; only what is given is changed."""
    return _outcome(entry, data)


def _outcome(entry: Entry, data: dict[str, Any]) -> Entry:
    def within(field: str, low: float, high: float, text: str) -> None:
        value = data.get(field)
        if value is not None and not low <= value <= high:
            raise Refusal(field, field, text)

    within("wet", -2, 2, "From dry to wet there are five steps, −2 to 2.")
    within("soft", -2, 2, "From hard to mush there are five steps, −2 to 2.")
    within("stars", 1, 5, "Give one to five stars, or none.")
    within("poured_ml", 1, 60000, "Write how many millilitres went in, 1 to 60,000.")
    within("taken_min", 0.5, 600, "Write the minutes at the boil, half a minute to ten hours.")
    if data.get("on") and data["on"] > today(entry.household):
        raise Refusal("on", "on", "That day has not come yet: give the day it was cooked.")
    for field in OUTCOME:
        if field in data:
            setattr(entry, field, data[field] if data[field] is not None or field not in ("word", "note") else "")
    entry.word, entry.note = entry.word.strip()[:120], entry.note.strip()[:2000]
    if entry.on is None:
        raise Refusal("on", "on", "Give the day it was cooked.")
    entry.save()
    return entry


def set_photo(entry: Entry, sent: bytes) -> None:
    Photo.objects.update_or_create(entry=entry, defaults={"jpeg": photos.to_small_jpeg(sent)})


@transaction.atomic
def from_csv(household: Household, user: User | None, text: str, keep_rest: bool) -> tuple[int, list[Problem]]:
    """How many rows were taken, and the rows that were not understood: with one of those nothing is taken unless `keep_rest`."""
    found_ = table.from_csv(text)
    if found_.problems and not keep_rest:
        return 0, list(found_.problems)
    pots = {p.name.lower(): p for p in Pot.objects.filter(household=household)}
    for _, row in found_.rows:
        pot = pots.get(row["pot"].lower())
        said = plain(household, {"to": row["grain"], "pot_id": pot.pk if pot else None}, row["dry_ml"])
        # what the household was told then, where the table says it
        said |= {
            k: round(row[c])
            for k, c in (("pour_ml", "predicted_ml"), ("cook_min", "predicted_min"))
            if row[c] is not None
        }
        Entry.objects.create(
            household=household,
            on=row["date"],
            dish=row["dish"],
            grain=row["grain"],
            predicted=said,
            pot=pot,
            pot_name=row["pot"][:60],
            poured_ml=row["poured_ml"],
            taken_min=row["taken_min"],
            wet=row["dry_to_wet"],
            soft=row["hard_to_mush"],
            word=row["word"][:120],
            stars=row["stars"],
            note=row["note"],
            by=user,
        )
    return len(found_.rows), list(found_.problems)


def decide(household: Household, kind: str, subject: str, take: str) -> None:
    """Accepts or refuses the lesson as it stands now; "reset" goes back to the catalogue and lets it be said again."""
    if take == "reset":
        Decision.objects.filter(household=household, kind=kind, subject=subject).delete()
        return
    lesson = next((x for x in lessons(household) if (x.kind, x.subject) == (kind, subject)), None)
    if lesson is None:
        raise Refusal("lesson", "", "Your pots say something else by now: look at the lessons again.")
    now = (
        {"held": lesson.value, "refused": None, "text": lesson.text, "entries": list(lesson.entries)}
        if take == "accept"
        else {"refused": lesson.value}
    ) | {"catalogue": learning.CATALOGUE}
    Decision.objects.update_or_create(household=household, kind=kind, subject=subject, defaults=now)


def reset_all(household: Household) -> None:
    Decision.objects.filter(household=household).delete()
