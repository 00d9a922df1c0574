"""Everything of a household as one JSON document, and back.

Things are numbered from 1 in the order they stand in, not by the database's keys, so that the backup of what was restored is the same document.
The form is docs/backup.schema.json (from the models below); `checksum` is the SHA-256 of the rest, with sorted keys and no spaces: a document that was
cut short or changed by hand is refused. Passwords, sessions and device keys are not in it.
"""

from __future__ import annotations

import base64
import hashlib
import json
import operator
from collections.abc import Callable, Iterable, Iterator
from datetime import date, datetime
from functools import partial
from typing import Any

from django.db import models, transaction
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from mealshift import ENGINE_VERSION, keeping
from mealshift.cooking import script_from
from mealshift.learning import Figures
from mealshift.problems import Refusal
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.actions import FIELDS as KITCHEN_FIELDS
from mealshift_server.kitchen.models import Kitchen, Pot
from mealshift_server.larder.models import Bag, Left
from mealshift_server.notebook import photos
from mealshift_server.notebook.models import Entry, Photo, Try
from mealshift_server.plans.models import Cooking, Event
from mealshift_server.recipes.models import Recipe, Shift
from mealshift_server.recipes.schemas import ShiftOut
from mealshift_server.taught.models import Decision
from mealshift_server.week.models import Meal, Pace

VERSION = 1
Plain = dict[str, Any]


class Part(BaseModel):
    model_config = ConfigDict(extra="forbid")


class House(Part):
    name: str = Field(max_length=80)
    time_zone: str
    measure_name: str
    measure_ml: float
    cup_ml: float
    fridge_days: int = Field(ge=1, le=4)


class KitchenPart(Part):
    burners: list[float]
    oven_places: int
    rice_cooker: bool
    pressure_cooker: bool
    electric_pressure: bool
    slow_cooker: bool = False
    microwave_w: float | None
    whistle_min: float
    altitude_m: float
    room_c: float
    jar_ml: float


class PotPart(Part):
    name: str
    diameter_cm: float
    litres: float | None
    lid: str
    boil_off: float
    test: Plain | None
    created: datetime


class BagPart(Part):
    grain: str
    name: str
    kind: str
    grams: float
    full_g: float
    best_before: date | None
    opened: date | None
    label_ratio: float | None
    label_min: float | None
    created: datetime


class LeftPart(Part):
    name: str
    grain: str
    portions: int
    served: datetime
    place: str
    # since 0.6.1; of an older backup only the last move is known
    moves: list[tuple[datetime, str]] | None = None
    moved: datetime


class RecipePart(Part):
    title: str
    text: str
    corrections: list[Plain]
    version: int
    created: datetime
    updated: datetime


class ShiftPart(Part):
    recipe: int | None
    title: str
    grain: str
    text: str
    corrections: list[Plain]
    choice: Plain
    factors: Plain
    engine: str
    result: Plain
    created: datetime


class TryPart(Part):
    grain: str
    water_off: float
    time_off: float
    created: datetime


class PacePart(Part):
    per_week: int
    grows: bool
    since: date


class MealPart(Part):
    on: date
    recipe: int
    choice: Plain | None
    reason: str
    shift: int | None
    minutes: int | None
    double: bool


class EventPart(Part):
    client_id: str
    kind: str
    minute: float
    data: Plain
    received: datetime


class CookingPart(Part):
    client_id: str
    title: str
    began: datetime
    serve_at: datetime
    speed: int
    alone: bool
    script: Plain
    dishes: list[Plain]
    ended: datetime | None
    events: list[EventPart]


class EntryPart(Part):
    cooking: int | None
    pot_key: str
    on: date
    dish: str
    grain: str
    pot: int | None
    pot_name: str
    bag: int | None
    predicted: Plain
    poured_ml: float | None
    top_ups_ml: float
    taken_min: float | None
    wet: int | None
    soft: int | None
    word: str
    stars: int | None
    note: str
    practice: bool
    counts: bool
    created: datetime
    photo: str | None = Field(description="a JPEG in base64")


class DecisionPart(Part):
    kind: str
    subject: str
    held: float | None
    refused: float | None
    text: str
    entries: list[int]
    catalogue: int = 1
    decided: datetime


class Backup(Part):
    """One household, all of it."""

    meal_shift_backup: int = Field(description="the version of this form")
    made: datetime
    engine: str
    household: House
    members: list[str]
    kitchen: KitchenPart | None
    pots: list[PotPart]
    bags: list[BagPart]
    left: list[LeftPart]
    recipes: list[RecipePart]
    shifts: list[ShiftPart]
    cookings: list[CookingPart]
    entries: list[EntryPart]
    decisions: list[DecisionPart]
    pace: PacePart | None
    meals: list[MealPart]
    tries: list[TryPart]
    checksum: str


def checksum(document: Plain) -> str:
    """SHA-256 of all but itself. A browser writes 220.0 as 220, so whole numbers are the same however they are written."""
    rest = {k: v for k, v in document.items() if k != "checksum"}
    text = json.dumps(_whole(rest), sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    return hashlib.sha256(text.encode(errors="surrogatepass")).hexdigest()


def _whole(value: Any) -> Any:
    if isinstance(value, dict):
        return {k: _whole(v) for k, v in value.items()}
    if isinstance(value, list):
        return [_whole(v) for v in value]
    return int(value) if isinstance(value, float) and value.is_integer() else value


# -- out -------------------------------------------------------------------------------------------------------


def make(household: Household, now: datetime) -> Plain:
    """The backup of a household as plain data."""
    pots, bags = _ordered(Pot, household), _ordered(Bag, household)
    recipes, shifts, cookings, entries = (_ordered(m, household) for m in (Recipe, Shift, Cooking, Entry))
    pot_no, bag_no, recipe_no, shift_no, cooking_no, entry_no = (
        _numbers(x) for x in (pots, bags, recipes, shifts, cookings, entries)
    )
    kitchen = Kitchen.objects.filter(household=household).first()
    pictures = dict(Photo.objects.filter(entry__household=household).values_list("entry_id", "jpeg"))
    events: dict[int, list[Event]] = {}
    for e in Event.objects.filter(cooking__household=household):
        events.setdefault(e.cooking_id, []).append(e)
    subjects = {"pot": pot_no, "water_bag": bag_no, "time_bag": bag_no}

    def choice(c: Plain) -> Plain:
        return {**c, "pot_id": pot_no.get(c.get("pot_id")), "bag_id": bag_no.get(c.get("bag_id"))}

    pace = Pace.objects.filter(household=household).first()
    decisions = []
    for d in Decision.objects.filter(household=household).order_by("id"):
        subject = _subject(d.kind, d.subject, subjects)
        # a lesson about a pot or bag that is gone says nothing any more
        if subject is not None:
            ids = [entry_no[i] for i in d.entries if i in entry_no]
            decisions.append(
                DecisionPart(**_fields(DecisionPart, d, "subject", "entries"), subject=subject, entries=ids)
            )
    document = Backup(
        meal_shift_backup=VERSION, made=now, engine=ENGINE_VERSION, household=House(**_fields(House, household)),
        members=list(User.objects.filter(household=household).order_by("id").values_list("username", flat=True)),
        kitchen=KitchenPart(**_fields(KitchenPart, kitchen)) if kitchen else None,
        pots=[PotPart(**_fields(PotPart, p)) for p in pots], bags=[BagPart(**_fields(BagPart, b)) for b in bags], left=[LeftPart(**_fields(LeftPart, x)) for x in _ordered(Left, household)],
        recipes=[RecipePart(**_fields(RecipePart, r)) for r in recipes],
        shifts=[ShiftPart(**_fields(ShiftPart, x, "recipe", "choice"), recipe=recipe_no.get(x.recipe_id), choice=choice(x.choice)) for x in shifts],
        cookings=[CookingPart(**_fields(CookingPart, c, "dishes", "events"),
                              dishes=[{**d, "shift_id": shift_no.get(d["shift_id"]), "choice": choice(d["choice"])} for d in c.dishes],
                              events=[EventPart(**_fields(EventPart, e)) for e in events.get(c.pk, [])]) for c in cookings],
        entries=[EntryPart(**_fields(EntryPart, e, "cooking", "pot", "bag", "photo"), cooking=cooking_no.get(e.cooking_id), pot=pot_no.get(e.pot_id), bag=bag_no.get(e.bag_id),
                           photo=base64.b64encode(bytes(pictures[e.pk])).decode() if e.pk in pictures else None) for e in entries],
        decisions=decisions,
        pace=PacePart(**_fields(PacePart, pace)) if pace else None,
        meals=[MealPart(**_fields(MealPart, m, "recipe", "shift"), recipe=recipe_no[m.recipe_id], shift=shift_no.get(m.shift_id)) for m in _ordered(Meal, household)],
        tries=[TryPart(**_fields(TryPart, t)) for t in _ordered(Try, household)],
        checksum="",
    ).model_dump(mode="json")  # fmt: skip
    document["checksum"] = checksum(document)
    return document


def _ordered(model: Any, household: Household) -> list[Any]:
    return list(model.objects.filter(household=household).order_by("id"))


def _numbers(rows: Iterable[models.Model]) -> dict[Any, int]:
    return {r.pk: n for n, r in enumerate(rows, 1)}


def _fields(part: type[Part], row: Any, *but: str) -> Plain:
    return {f: getattr(row, f) for f in part.model_fields if f not in but}


def _subject(kind: str, subject: str, numbers: dict[str, dict[Any, int]]) -> str | None:
    """A lesson about a pot or bag names it by its number here; None if that is gone."""
    if kind not in numbers:
        return subject
    n = numbers[kind].get(int(subject)) if subject.isdigit() else None
    return str(n) if n else None


# -- in --------------------------------------------------------------------------------------------------------


def check(document: Plain) -> Backup:
    """The document, typed; Refusal in a sentence where it cannot be restored."""
    version = document.get("meal_shift_backup") if isinstance(document, dict) else None
    if not isinstance(version, int):
        raise Refusal("backup", "backup", "This is no backup of Meal Shift: choose the JSON file you saved here.")
    if version > VERSION:
        raise Refusal(
            "backup_version",
            "backup",
            f"This backup has form {version}; this program reads forms up to {VERSION}: update Meal Shift, then restore it.",
        )
    if document.get("checksum") != checksum(document):
        raise Refusal(
            "backup_changed",
            "backup",
            "This backup was changed or cut short since it was made: choose another, or the original file.",
        )
    try:
        found = Backup.model_validate(document)
    except ValidationError as fault:
        first = fault.errors()[0]
        where = ".".join(str(x) for x in first["loc"])
        raise Refusal("backup_form", "backup", f"This backup cannot be read at {where}: choose another one.") from None
    for where, part in _hollow(found):
        try:
            part()
        except (ValidationError, KeyError, TypeError, ValueError, AttributeError):
            raise Refusal("backup_form", "backup", f"This backup is hollow at {where}: choose another one.") from None
    return found


def _hollow(b: Backup) -> Iterator[tuple[str, Callable[[], Any]]]:
    """(where, a try to read it) for every part whose form is free here: what a screen could not show is not let in."""
    for n, s in enumerate(b.shifts, 1):
        yield f"shifts.{n}.result", partial(ShiftOut.model_validate, s.result)
        yield f"shifts.{n}.choice", partial(operator.itemgetter("to"), s.choice)
    for n, c in enumerate(b.cookings, 1):
        yield f"cookings.{n}.script", partial(script_from, c.script, {})
        for d in c.dishes:
            yield f"cookings.{n}.dishes", partial(operator.itemgetter("name", "text", "choice", "corrections"), d)
    for n, e in enumerate(b.entries, 1):
        yield f"entries.{n}.predicted", partial(_predicted, e.predicted)


def _predicted(predicted: Plain) -> None:
    Figures(**predicted["figures"])
    missing = {"name", "dry_ml", "pour_ml", "low_ml", "high_ml", "cook_min", "tells_water"} - set(predicted)
    if missing:
        raise KeyError(missing)


@transaction.atomic
def restore(household: Household, document: Plain, replace: bool, user: User | None = None) -> dict[str, int]:
    """Puts a backup into a household. Refusal, and nothing changed, if it is not empty and `replace` is not said. How many of each."""
    b = check(document)
    there = sum(m.objects.filter(household=household).count() for m in (Recipe, Shift, Cooking, Entry, Bag, Pot))
    if there and not replace:
        raise Refusal(
            "not_empty",
            "replace",
            "This household has recipes or entries already: restoring would take their place. Say so, or start a new household for it.",
        )
    for model in (Try, Meal, Pace, Decision, Entry, Cooking, Shift, Recipe, Left, Bag, Pot, Kitchen):
        model.objects.filter(household=household).delete()
    for field, value in b.household.model_dump().items():
        setattr(household, field, value)
    household.save()
    if b.kitchen:
        Kitchen.objects.create(
            household=household, burners=b.kitchen.burners, **{f: getattr(b.kitchen, f) for f in KITCHEN_FIELDS}
        )
    pots = [_made(Pot, p, household=household) for p in b.pots]
    bags = [_made(Bag, p, household=household) for p in b.bags]
    for x in b.left:
        known = x.moves if x.moves is not None else [] if x.place == "table" else [(x.moved, x.place)]
        _made(Left, x, household=household, moves=[[at.isoformat(), keeping.check_place(place)] for at, place in known])
    recipes = [_made(Recipe, p, household=household) for p in b.recipes]

    def at(rows: list[Any], n: int | None) -> Any:
        if n is None:
            return None
        if not 1 <= n <= len(rows):
            raise Refusal("backup_form", "backup", "This backup names something it does not hold: choose another one.")
        return rows[n - 1]

    def choice(c: Plain) -> Plain:
        pot, bag = at(pots, c.get("pot_id")), at(bags, c.get("bag_id"))
        return {**c, "pot_id": pot.pk if pot else None, "bag_id": bag.pk if bag else None}

    shifts = [
        _made(Shift, p, household=household, recipe=at(recipes, p.recipe), choice=choice(p.choice)) for p in b.shifts
    ]
    cookings = []
    for c in b.cookings:
        dishes = [
            {**d, "shift_id": kept.pk if (kept := at(shifts, d.get("shift_id"))) else 0, "choice": choice(d["choice"])}
            for d in c.dishes
        ]
        made = _made(Cooking, c, household=household, dishes=dishes, by=user, events=None)
        for e in c.events:
            _made(Event, e, cooking=made, by=user)
        cookings.append(made)
    entries = []
    for n in b.entries:
        made = _made(
            Entry,
            n,
            household=household,
            cooking=at(cookings, n.cooking),
            pot=at(pots, n.pot),
            bag=at(bags, n.bag),
            by=user,
            photo=None,
        )
        if n.photo is not None:
            # a picture is checked anew: a backup is a file from anywhere
            Photo.objects.create(entry=made, jpeg=_jpeg(n.photo))
        entries.append(made)
    for d in b.decisions:
        rows = {"pot": pots, "water_bag": bags, "time_bag": bags}.get(d.kind)
        subject = d.subject if rows is None else str(at(rows, int(d.subject) if d.subject.isdigit() else 0).pk)
        _made(Decision, d, household=household, subject=subject, entries=[at(entries, i).pk for i in d.entries])
    for t in b.tries:
        _made(Try, t, household=household)
    if b.pace:
        _made(Pace, b.pace, household=household)
    for w in b.meals:
        _made(Meal, w, household=household, recipe=at(recipes, w.recipe), shift=at(shifts, w.shift), cook=None)
    return {
        "recipes": len(recipes),
        "shifts": len(shifts),
        "cookings": len(cookings),
        "entries": len(entries),
        "bags": len(bags),
        "pots": len(pots),
    }


def _jpeg(text: str) -> bytes:
    try:
        raw = base64.b64decode(text, validate=True)
    except ValueError:
        raise Refusal("backup_form", "backup", "A photo in this backup cannot be read: choose another one.") from None
    photos.to_small_jpeg(raw)
    return raw


def _made(model: Any, part: Part, **over: Any) -> Any:
    """A row from its part of the backup, with the dates it had."""
    names = {f.name for f in model._meta.concrete_fields}
    given = {**{k: getattr(part, k) for k in type(part).model_fields}, **over}
    row = model.objects.create(**{k: v for k, v in given.items() if k in names})
    dates = {k: given[k] for k in ("created", "updated", "received", "decided", "moved") if k in names and k in given}
    if dates:
        model.objects.filter(pk=row.pk).update(**dates)
    return row
