"""Everything of a household as lines of JSON (form.py), one row at a time."""

from __future__ import annotations

import base64
import hashlib
import json
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from typing import IO, Any

from django.db import connection, models
from pydantic import BaseModel

from mealshift import ENGINE_VERSION
from mealshift_server.households.models import Household, User
from mealshift_server.kitchen.models import Kitchen, Pot, Took
from mealshift_server.larder.models import Bag, Left
from mealshift_server.notebook.models import Entry, Photo, Try
from mealshift_server.plans.models import Cooking, Event
from mealshift_server.recipes.models import Recipe, Shift
from mealshift_server.taught.models import Decision
from mealshift_server.week.models import Meal, Pace

from . import form
from .form import Plain

# rows that are held at once
AT_ONCE = 50


def save(household: Household, now: datetime) -> IO[bytes]:
    """The backup in a file of its own that is gone when it is closed; read from one moment of the database, while others go on writing."""
    out = tempfile.TemporaryFile()  # noqa: SIM115 - it is handed on
    digest = hashlib.sha256()
    with _one_moment():
        for kind, held in _things(household, now):
            line = json.dumps({kind: held}, ensure_ascii=False, separators=(",", ":")).encode(errors="replace") + b"\n"
            digest.update(line)
            out.write(line)
    out.write(json.dumps({"checksum": digest.hexdigest()}).encode() + b"\n")
    out.seek(0)
    return out


@contextmanager
def _one_moment() -> Iterator[None]:
    """A reading transaction: it sees one state of the database and keeps nobody from writing."""
    if connection.in_atomic_block:
        yield
        return
    with connection.cursor() as cursor:
        cursor.execute("BEGIN DEFERRED")
        try:
            yield
        finally:
            cursor.execute("COMMIT")


def _things(household: Household, now: datetime) -> Iterator[tuple[str, Any]]:
    pot_no, bag_no, recipe_no, shift_no, cooking_no, entry_no = (
        _numbers(m, household) for m in (Pot, Bag, Recipe, Shift, Cooking, Entry)
    )
    subjects = {"pot": pot_no, "water_bag": bag_no, "time_bag": bag_no}

    def dish_key(d: Plain) -> str:
        key = str(d.get("key") or d.get("shift_id"))
        number = (recipe_no if key.startswith("r") else shift_no).get(int(key.lstrip("r") or 0))
        return f"{'r' if key.startswith('r') else ''}{number or 0}"

    def choice(c: Plain) -> Plain:
        return {**c, "pot_id": pot_no.get(c.get("pot_id")), "bag_id": bag_no.get(c.get("bag_id"))}

    yield "head", {"meal_shift_backup": form.FORM, "made": now.isoformat(), "engine": ENGINE_VERSION}
    yield "household", _part(form.House, household)
    for name in User.objects.filter(household=household).order_by("id").values_list("username", flat=True):
        yield "member", name
    if kitchen := Kitchen.objects.filter(household=household).first():
        yield "kitchen", _part(form.KitchenPart, kitchen)
    for p in _each(Pot, household):
        yield "pot", _part(form.PotPart, p)
    for took in _each(Took, household):
        yield "took", _part(form.TookPart, took)
    for b in _each(Bag, household):
        yield "bag", _part(form.BagPart, b)
    for x in _each(Left, household):
        yield "left", _part(form.LeftPart, x)
    for r in _each(Recipe, household):
        yield "recipe", _part(form.RecipePart, r)
    for s in _each(Shift, household):
        yield "shift", _part(form.ShiftPart, s, recipe=recipe_no.get(s.recipe_id), choice=choice(s.choice))
    for c in _each(Cooking, household):
        dishes = [{**d, "key": dish_key(d), "choice": d["choice"] and choice(d["choice"])} for d in c.dishes]
        events = [form.EventPart(**_fields(form.EventPart, e)) for e in Event.objects.filter(cooking=c)]
        yield "cooking", _part(form.CookingPart, c, dishes=dishes, events=events)
    with_photo = set(Photo.objects.filter(entry__household=household).values_list("entry_id", flat=True))
    for e in _each(Entry, household):
        photo = base64.b64encode(bytes(Photo.objects.get(entry=e).jpeg)).decode() if e.pk in with_photo else None
        numbers = {"cooking": cooking_no.get(e.cooking_id), "pot": pot_no.get(e.pot_id), "bag": bag_no.get(e.bag_id)}
        yield "entry", _part(form.EntryPart, e, photo=photo, **numbers)
    for d in _each(Decision, household):
        subject = _subject(d.kind, d.subject, subjects)
        # a lesson about a pot or bag that is gone says nothing any more
        if subject is not None:
            ids = [entry_no[i] for i in d.entries if i in entry_no]
            yield "decision", _part(form.DecisionPart, d, subject=subject, entries=ids)
    for t in _each(Try, household):
        yield "attempt", _part(form.TryPart, t)
    if pace := Pace.objects.filter(household=household).first():
        yield "pace", _part(form.PacePart, pace)
    for m in _each(Meal, household):
        yield "meal", _part(form.MealPart, m, recipe=recipe_no[m.recipe_id], shift=shift_no.get(m.shift_id))


def _each(model: Any, household: Household) -> Iterator[Any]:
    return model.objects.filter(household=household).order_by("id").iterator(chunk_size=AT_ONCE)  # type: ignore[no-any-return]


def _numbers(model: Any, household: Household) -> dict[Any, int]:
    keys = model.objects.filter(household=household).order_by("id").values_list("pk", flat=True)
    return {pk: n for n, pk in enumerate(keys, 1)}


def _part(part: type[BaseModel], row: models.Model, **over: Any) -> Plain:
    return part(**{**_fields(part, row, *over), **over}).model_dump(mode="json")


def _fields(part: type[BaseModel], row: Any, *but: str) -> Plain:
    return {f: getattr(row, f) for f in part.model_fields if f not in but}


def _subject(kind: str, subject: str, numbers: dict[str, dict[Any, int]]) -> str | None:
    """A lesson about a pot or bag names it by its number here; None if that is gone."""
    if kind not in numbers:
        return subject
    n = numbers[kind].get(int(subject)) if subject.isdigit() else None
    return str(n) if n else None
