"""A backup taken into a household: read twice, line by line. First everything is checked and nothing changed. Then it is put into a household that nobody is in,
a little at a time, so that others can write meanwhile; and when it is whole it takes the place of what was there, at once or not at all."""

from __future__ import annotations

import base64
import hashlib
import json
import operator
import time
from collections.abc import Callable, Iterator
from contextlib import suppress
from datetime import timedelta
from functools import partial
from typing import IO, Any, cast

from django.db import OperationalError, connection, transaction
from django.db.models import Max
from django.utils import timezone
from pydantic import TypeAdapter, ValidationError

from mealshift import keeping
from mealshift.cooking import script_from
from mealshift.learning import Figures
from mealshift.problems import Refusal
from mealshift.results import Shifted
from mealshift_server.base.body import harmless
from mealshift_server.households.models import Household, Moved, User
from mealshift_server.kitchen.models import Kitchen, Pot, Took
from mealshift_server.kitchen.queries import FIELDS as KITCHEN_FIELDS
from mealshift_server.larder.models import Bag, Left
from mealshift_server.notebook import photos
from mealshift_server.notebook.models import Entry, Photo, Try
from mealshift_server.plans.models import Cooking, Event, Tonight
from mealshift_server.recipes.models import Draft, Recipe, Shift
from mealshift_server.taught.models import Decision
from mealshift_server.week.models import Meal, Pace

from . import form
from .form import Line, Plain

# a kept shift has the shape in which it is shown
SHIFTED: TypeAdapter[Shifted] = TypeAdapter(Shifted)
# a cooking of 3,000 touches, or a page with its photo, is far below
MOST_OF_A_LINE = 24 * 1024 * 1024
# a backup of the first form is read whole
MOST_OF_FIRST_FORM = 64 * 1024 * 1024
# an old number is heeded where it is not further than this beyond the ones in use
FURTHEST = 1_000_000
ADDRESSED = {"recipe": Recipe, "shift": Shift, "cooking": Cooking, "entry": Entry}
COUNTED = {
    "recipe": "recipes",
    "shift": "shifts",
    "cooking": "cookings",
    "entry": "entries",
    "bag": "bags",
    "pot": "pots",
}
NONE_OF_OURS = "This is no backup of Meal Shift: choose the file you saved here."
CHANGED = "This backup was changed or cut short since it was made: choose another, or the original file."
NOT_HELD = "This backup names something it does not hold: choose another one."


def restore(household: Household, file: IO[bytes], replace: bool, user: User | None = None) -> dict[str, int]:
    """Puts a backup into a household; how many of each. Refusal, and nothing changed, if it cannot be read whole, or the household is not empty and `replace` is not said."""
    highest = _check(file)
    _may_replace(household, replace)
    _sweep()
    aside = Household.objects.create(name=ASIDE)
    try:
        counts = _Restored(aside, user, highest).take(file)
        with transaction.atomic():
            _may_replace(household, replace)
            old = _swap(household, aside)
    except BaseException:
        _gone(aside)
        raise
    _gone(aside)
    _gone(old)
    return counts


# the name of a household that nobody is in: what is being put in, or was taken out
ASIDE = "set aside while a backup is put in"
# so long after it was made, nobody is at work on it any more
LEFT_BEHIND = timedelta(hours=6)
# what is put in, or thrown away, before others may write again
BATCH_S, BATCH_ROWS = 0.25, 200
MANY = (Try, Meal, Decision, Entry, Cooking, Shift, Recipe, Left, Bag, Pot, Took)
ONE = (Draft, Tonight, Pace, Kitchen)


def _may_replace(household: Household, replace: bool) -> None:
    there = any(m.objects.filter(household=household).exists() for m in (Recipe, Shift, Cooking, Entry, Bag, Pot))
    if there and not replace:
        raise Refusal(
            "not_empty",
            "replace",
            "This household has recipes or entries already: restoring would take their place. Say so, or start a new household for it.",
        )


def _swap(household: Household, aside: Household) -> Household:
    """What was put in takes the place of what was there, which comes to the household that is given back."""
    old = Household.objects.create(name=ASIDE)
    for model in MANY:
        cast(Any, model).objects.filter(household=household).update(household=old)
        cast(Any, model).objects.filter(household=aside).update(household=household)
    for single in ONE:
        cast(Any, single).objects.filter(household=household).delete()
        cast(Any, single).objects.filter(household=aside).update(household=household)
    Moved.objects.filter(household=aside).update(household=household)
    restored = Household.objects.get(pk=aside.pk)
    for field in form.House.model_fields:
        setattr(household, field, getattr(restored, field))
    household.save()
    return old


def _gone(household: Household) -> None:
    """Nobody's household is thrown away, a little at a time. Where the store is busy it is left: the backup is in already, or its own fault is what is told."""
    with suppress(OperationalError):
        for model in MANY:
            rows = cast(Any, model).objects.filter(household=household)
            while keys := list(rows.values_list("pk", flat=True)[:BATCH_ROWS]):
                rows.filter(pk__in=keys).delete()
        household.delete()


def _sweep() -> None:
    """What a server that was stopped in the middle of a restoring left behind."""
    for left in Household.objects.filter(name=ASIDE, users=None, created__lt=timezone.now() - LEFT_BEHIND):
        _gone(left)


# -- checking ----------------------------------------------------------------------------------------------------------


def _check(file: IO[bytes]) -> dict[str, int]:
    """The highest old number of each kind that has an address. Refusal names the line at fault."""
    head, highest, lines, told = None, dict.fromkeys(ADDRESSED, 0), 0, dict.fromkeys(form.FIRST_FORM, 0)
    for kind, part in _lines(file):
        lines += 1
        if kind == "head":
            head = part
            continue
        told[kind] += 1
        for where, read in _hollow(kind, part, told[kind]):
            try:
                read()
            except (ValidationError, KeyError, TypeError, ValueError, AttributeError):
                raise Refusal(
                    "backup_form", "backup", f"This backup is hollow at {where}: choose another one."
                ) from None
        if kind in highest and part.id:
            highest[kind] = max(highest[kind], part.id)
        if kind == "entry" and part.photo is not None:
            # a picture is checked anew: a backup is a file from anywhere
            _jpeg(part.photo)
    if head is None or told["household"] != 1:
        raise Refusal("backup", "backup", NONE_OF_OURS)
    return highest


def _lines(file: IO[bytes]) -> Iterator[tuple[str, Any]]:
    """(kind, what) of every line, typed, the head first. Refusal in a sentence where it cannot be restored."""
    file.seek(0)
    first = file.readline(MOST_OF_A_LINE)
    head = _parsed(first)
    if not isinstance(head, dict) or "head" not in head:
        yield from _typed(_first_form(file))
        return
    digest, closed = hashlib.sha256(first), False
    _version(head["head"])
    yield from _typed(iter([("head", head["head"])]))
    while line := file.readline(MOST_OF_A_LINE):
        if closed:
            raise Refusal("backup_changed", "backup", CHANGED)
        held = _parsed(line)
        if not isinstance(held, dict) or len(held) != 1:
            raise Refusal("backup_changed", "backup", CHANGED)
        [(kind, what)] = held.items()
        if kind == "checksum":
            if what != digest.hexdigest():
                raise Refusal("backup_changed", "backup", CHANGED)
            closed = True
            continue
        digest.update(line)
        yield from _typed(iter([(kind, what)]))
    if not closed:
        raise Refusal("backup_changed", "backup", CHANGED)


def _parsed(line: bytes) -> Any:
    try:
        return harmless(json.loads(line, parse_constant=_no_number))
    except (ValueError, RecursionError):
        return None


def _no_number(constant: str) -> Any:
    raise ValueError(f"{constant} is no number")


def _version(head: Any) -> None:
    version = head.get("meal_shift_backup") if isinstance(head, dict) else None
    if not isinstance(version, int):
        raise Refusal("backup", "backup", NONE_OF_OURS)
    if version > form.FORM:
        raise Refusal(
            "backup_version",
            "backup",
            f"This backup has form {version}; this program reads forms up to {form.FORM}: update Meal Shift, then restore it.",
        )


def _first_form(file: IO[bytes]) -> Iterator[tuple[str, Any]]:
    file.seek(0)
    document = _parsed(file.read(MOST_OF_FIRST_FORM))
    if not isinstance(document, dict):
        raise Refusal("backup", "backup", NONE_OF_OURS)
    _version(document)
    if document.get("checksum") != form.checksum_of_first_form(document):
        raise Refusal("backup_changed", "backup", CHANGED)
    yield "head", {k: document.get(k) for k in ("meal_shift_backup", "made", "engine")}
    yield from form.lines_of_first_form(document)


def _typed(lines: Iterator[tuple[str, Any]]) -> Iterator[tuple[str, Any]]:
    for kind, what in lines:
        try:
            yield kind, getattr(Line.model_validate({kind: what}), kind)
        except ValidationError as fault:
            where = ".".join(str(x) for x in fault.errors()[0]["loc"])
            raise Refusal(
                "backup_form", "backup", f"This backup cannot be read at {where}: choose another one."
            ) from None


def _hollow(kind: str, part: Any, n: int) -> Iterator[tuple[str, Callable[[], Any]]]:
    """(where, a try to read it) for what is free in the form: what a screen could not show is not let in."""
    if kind == "shift":
        yield f"shift {n}, result", partial(SHIFTED.validate_python, part.result)
        yield f"shift {n}, choice", partial(operator.itemgetter("to"), part.choice)
    elif kind == "cooking":
        yield f"cooking {n}, script", partial(script_from, part.script, {})
        for d in part.dishes:
            yield f"cooking {n}, dishes", partial(operator.itemgetter("name", "text", "choice", "corrections"), d)
    elif kind == "entry":
        yield f"entry {n}, predicted", partial(_predicted, part.predicted)


def _predicted(predicted: Plain) -> None:
    Figures(**predicted["figures"])
    missing = {"name", "dry_ml", "pour_ml", "low_ml", "high_ml", "cook_min", "tells_water"} - set(predicted)
    if missing:
        raise KeyError(missing)


def _jpeg(text: str) -> bytes:
    try:
        raw = base64.b64decode(text, validate=True)
    except ValueError:
        raise Refusal("backup_form", "backup", "A photo in this backup cannot be read: choose another one.") from None
    photos.to_small_jpeg(raw)
    return raw


# -- putting in --------------------------------------------------------------------------------------------------------


class _Restored:
    """keys: of each kind, the key of the n-th that was put in. next: the next key of what has an address, beyond every old and every present one, so that an
    old number never means something new."""

    def __init__(self, household: Household, user: User | None, highest: dict[str, int]) -> None:
        self.household, self.user = household, user
        self.highest = highest
        self.keys: dict[str, list[int]] = {kind: [] for kind in form.FIRST_FORM}
        self.next: dict[str, int] = {}

    def take(self, file: IO[bytes]) -> dict[str, int]:
        """All of it, in batches: between two of them others write."""
        lines = (line for line in _lines(file) if line[0] != "head")
        line = next(lines, None)
        while line is not None:
            with transaction.atomic():
                self.number()
                until = time.monotonic() + BATCH_S
                while line is not None:
                    self.put(*line)
                    line = next(lines, None)
                    if time.monotonic() >= until:
                        break
        return {name: len(self.keys[kind]) for kind, name in COUNTED.items()}

    def number(self) -> None:
        """The next keys, anew in each batch: others have made rows meanwhile."""
        for kind, model in ADDRESSED.items():
            present = cast(Any, model).objects.aggregate(most=Max("pk"))["most"] or 0
            highest = self.highest[kind]
            self.next[kind] = 1 + (max(present, highest) if highest <= present + FURTHEST else present)

    def put(self, kind: str, part: Any) -> None:
        if kind == "household":
            for field, value in part.model_dump().items():
                setattr(self.household, field, value)
            self.household.save()
        elif kind == "kitchen":
            rest = {f: getattr(part, f) for f in KITCHEN_FIELDS}
            Kitchen.objects.create(household=self.household, burners=part.burners, **rest)
        elif kind == "pot":
            self.made(kind, Pot, part)
        elif kind == "took":
            self.made(kind, Took, part)
        elif kind == "bag":
            self.made(kind, Bag, part)
        elif kind == "left":
            moves = part.moves
            if moves is None:
                moves = [] if part.place == "table" else [(part.moved, part.place)]
            self.made(kind, Left, part, moves=[[at.isoformat(), keeping.check_place(place)] for at, place in moves])
        elif kind == "recipe":
            self.made(kind, Recipe, part)
        elif kind == "shift":
            self.made(kind, Shift, part, recipe_id=self.key("recipe", part.recipe), choice=self.choice(part.choice))
        elif kind == "cooking":
            self.cooking(part)
        elif kind == "entry":
            keys = {f"{k}_id": self.key(k, getattr(part, k)) for k in ("cooking", "pot", "bag")}
            row = self.made(kind, Entry, part, by=self.user, **keys)
            if part.photo is not None:
                Photo.objects.create(entry=row, jpeg=base64.b64decode(part.photo))
        elif kind == "decision":
            about = {"pot": "pot", "water_bag": "bag", "time_bag": "bag"}.get(part.kind)
            number = int(part.subject) if about and part.subject.isdigit() else 0
            subject = str(self.key(about, number)) if about else part.subject
            entries = [self.key("entry", n) for n in part.entries]
            self.made(kind, Decision, part, subject=subject, entries=entries)
        elif kind == "attempt":
            self.made(kind, Try, part)
        elif kind == "pace":
            self.made(kind, Pace, part)
        elif kind == "meal":
            keys = {"recipe_id": self.key("recipe", part.recipe), "shift_id": self.key("shift", part.shift)}
            self.made(kind, Meal, part, cook=None, **keys)

    def dish_key(self, d: Plain) -> str:
        """Of a cooking's dish; older backups hold the shift's number."""
        key = str(d.get("key") or d.get("shift_id") or 0)
        side = key.startswith("r")
        number = int(key.lstrip("r")) if key.lstrip("r").isdigit() else 0
        return f"{'r' if side else ''}{self.key('recipe' if side else 'shift', number or None) or 0}"

    def cooking(self, part: form.CookingPart) -> None:
        dishes = [
            {**d, "key": self.dish_key(d), "choice": d["choice"] and self.choice(d["choice"])} for d in part.dishes
        ]
        made = self.made("cooking", Cooking, part, dishes=dishes, by=self.user)
        rows = [Event(cooking=made, by=self.user, **e.model_dump(exclude={"received"})) for e in part.events]
        Event.objects.bulk_create(rows, batch_size=500)
        # the column is filled with now when a row is made
        received = [
            (connection.ops.adapt_datetimefield_value(e.received), row.pk)
            for row, e in zip(rows, part.events, strict=True)
        ]
        with connection.cursor() as cursor:
            cursor.executemany("UPDATE plans_event SET received = %s WHERE id = %s", received)

    def made(self, kind: str, model: Any, part: Any, **over: Any) -> Any:
        """A row from its line, with the dates it had; an old number of it leads to the new one."""
        names = {f.name for f in model._meta.concrete_fields} - {"id", *(k.removesuffix("_id") for k in over)}
        given = {k: getattr(part, k) for k in type(part).model_fields if k in names}
        if kind in self.next:
            given["pk"] = self.next[kind]
            self.next[kind] += 1
        row = model.objects.create(household=self.household, **given, **over)
        dates = {k: v for k, v in given.items() if k in ("created", "updated", "received", "decided", "moved")}
        if dates:
            model.objects.filter(pk=row.pk).update(**dates)
        self.keys[kind].append(row.pk)
        if kind in ADDRESSED and part.id:
            Moved.objects.create(household=self.household, kind=kind, was=part.id, now=row.pk)
        return row

    def key(self, kind: str, n: int | None) -> int | None:
        if n is None:
            return None
        if not 1 <= n <= len(self.keys[kind]):
            raise Refusal("backup_form", "backup", NOT_HELD)
        return self.keys[kind][n - 1]

    def choice(self, c: Plain) -> Plain:
        return {**c, "pot_id": self.key("pot", c.get("pot_id")), "bag_id": self.key("bag", c.get("bag_id"))}
