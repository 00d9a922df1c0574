"""The notebook's doors: entries, photos, lessons, the practice pot."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any, cast

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Status

from mealshift import pipeline, training
from mealshift.pot.account import report
from mealshift_server.base.answers import BAD, MISSING, a_file, takes_file
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.models import User
from mealshift_server.households.scope import house, one

from . import actions, practice, queries
from . import schemas as s
from .models import Photo

router = Router(tags=["notebook"])


@router.get("/notebook", response={200: s.NotebookOut, 401: Trouble})
def notebook(
    request: HttpRequest, q: str = "", grain: str = "", pot: str = "", page: int = 1, cooking: int | None = None
) -> Any:
    return queries.page(house(request), q[:200], grain[:60], pot[:60], page, cooking)


@router.post("/notebook", response={201: s.EntryRow, **BAD})
def add_entry(request: HttpRequest, data: s.EntryIn) -> Any:
    made = actions.add(house(request), cast(User, request.user), data.model_dump())
    return Status(201, queries.row(made, house(request)))


@router.get("/notebook.csv", response={401: Trouble}, openapi_extra=a_file("text/csv", "The notebook as a table"))
def notebook_csv(request: HttpRequest) -> Any:
    headers = {"Content-Disposition": 'attachment; filename="notebook.csv"'}
    return HttpResponse(queries.to_csv(house(request)), content_type="text/csv; charset=utf-8", headers=headers)


@router.post("/notebook.csv", response={200: s.CsvOut, **BAD})
def bring_csv(request: HttpRequest, data: s.CsvIn) -> Any:
    taken, problems = actions.from_csv(house(request), cast(User, request.user), data.text, data.keep_rest)
    return {"taken": taken, "problems": problems[:200]}


@router.get("/notebook/{int:entry_id}", response={200: s.EntryRow, **MISSING})
def entry(request: HttpRequest, entry_id: int) -> Any:
    return queries.row(one(queries.entries(house(request)), house(request), "entry", entry_id), house(request))


@router.put("/notebook/{int:entry_id}", response={200: s.EntryRow, **MISSING})
def change_entry(request: HttpRequest, entry_id: int, data: s.EntryChange) -> Any:
    mine = one(queries.entries(house(request)), house(request), "entry", entry_id)
    given = data.model_dump(exclude_unset=True)
    if given.get("counts", True) is None:
        del given["counts"]
    return queries.row(actions.change(mine, given), house(request))


@router.delete("/notebook/{int:entry_id}", response={204: None, **MISSING})
def drop_entry(request: HttpRequest, entry_id: int) -> Any:
    one(queries.entries(house(request)), house(request), "entry", entry_id).delete()
    return Status(204, None)


@router.put("/notebook/{int:entry_id}/photo", response={204: None, **MISSING}, openapi_extra=takes_file("image/*"))
def set_photo(request: HttpRequest, entry_id: int) -> Any:
    """The picture's bytes are the body."""
    actions.set_photo(one(queries.entries(house(request)), house(request), "entry", entry_id), request.body)
    return Status(204, None)


@router.get(
    "/notebook/{int:entry_id}/photo", response=MISSING, openapi_extra=a_file("image/jpeg", "The photo", binary=True)
)
def photo(request: HttpRequest, entry_id: int) -> Any:
    found = Photo.objects.filter(entry__household=house(request), entry_id=entry_id).first()
    if found is None:
        raise Http404
    return HttpResponse(
        bytes(found.jpeg),
        content_type="image/jpeg",
        headers={"X-Content-Type-Options": "nosniff", "Cache-Control": "private, no-cache"},
    )


@router.delete("/notebook/{int:entry_id}/photo", response={204: None, **MISSING})
def drop_photo(request: HttpRequest, entry_id: int) -> Any:
    Photo.objects.filter(entry=one(queries.entries(house(request)), house(request), "entry", entry_id)).delete()
    return Status(204, None)


@router.get("/lessons", response={200: s.LessonsOut, 401: Trouble})
def lessons(request: HttpRequest) -> Any:
    return queries.lessons_shown(house(request))


@router.post("/lessons", response={200: s.LessonsOut, **BAD})
def decide(request: HttpRequest, data: s.LessonIn) -> Any:
    actions.decide(house(request), data.kind, data.subject, data.take)
    return queries.lessons_shown(house(request))


@router.delete("/lessons", response={200: s.LessonsOut, 401: Trouble})
def forget_lessons(request: HttpRequest) -> Any:
    actions.reset_all(house(request))
    return queries.lessons_shown(house(request))


def _standing(household: Any) -> dict[str, Any]:
    done = practice.tries(household)
    last = [t.error for t in done[:10]]
    return {"tries": len(done), "error": sum(last) / len(last) if last else None}


@router.get("/training", response={200: s.TrainingOut, 401: Trouble}, tags=["practice"])
def next_task(request: HttpRequest) -> Any:
    mine = house(request)
    task = practice.next_task(mine)
    kitchen = practice.kitchen(mine)
    cups = kitchen.manner.amounts == "cups"
    return {
        **asdict(task),
        "said": training.told(task, kitchen),
        "unit": "cup" if cups else "ml",
        "unit_ml": kitchen.cup_ml if cups else 1.0,
        **_standing(mine),
    }


@router.post("/training", response={200: s.JudgedOut, **BAD}, tags=["practice"])
def judge(request: HttpRequest, data: s.GuessIn) -> Any:
    mine = house(request)
    task = training.Task(data.grain, data.dry_ml, data.pot_cm, data.lid, data.texture)
    j = practice.judge(mine, cast(User, request.user), task, data.pour_ml, data.minutes)
    band = cast(Any, report(j.pot))["time"]["cook"]
    return {
        "plan": pipeline.run_report(j.plan, j.pot.kitchen),
        "run": pipeline.run_report(j.run, j.pot.kitchen),
        "pour_ml": j.pot.pour_ml,
        "pour_said": j.pot.kitchen.manner.volume(j.pot.pour_ml, j.pot.kitchen.measures),
        "cook_min": j.pot.cook_typical,
        "look": [band["low"], band["high"]],
        "said": j.said,
        "why": list(j.why),
        "sign": j.pot.grain.sign(j.pot.way.texture),
        **_standing(mine),
    }
