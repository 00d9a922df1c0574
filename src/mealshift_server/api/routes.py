"""The API. Handlers are a few lines: they scope by household, call one action, and answer."""

from __future__ import annotations

from functools import cache
from typing import Any

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.db.models import Count, QuerySet
from django.http import Http404, HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from django.shortcuts import get_object_or_404
from django.utils import timezone
from ninja import NinjaAPI, Status
from ninja.errors import HttpError
from ninja.security import django_auth
from ninja.utils import check_csrf

from mealshift import ENGINE_VERSION, pipeline, writing
from mealshift.planning import Plan
from mealshift.planning.schedule import report as plan_report
from mealshift.problems import Refusal
from mealshift_server.households import actions as households
from mealshift_server.households.models import Household
from mealshift_server.recipes import actions
from mealshift_server.recipes.models import Recipe, Shift

from . import demo, errors
from . import schemas as s

api = NinjaAPI(title="Meal Shift", version="1", docs_url=None, openapi_url=None, auth=django_auth)
errors.install(api)
BAD = {400: s.Trouble, 401: s.Trouble, 413: s.Trouble, 422: s.Trouble}
MISSING = {**BAD, 404: s.Trouble}


def house(request: HttpRequest) -> Household:
    """The signed-in household. Everything below is asked through it."""
    household = getattr(request.user, "household", None)
    if household is None:
        raise HttpError(403, "This user belongs to no household.")
    return household  # type: ignore[no-any-return]


def _guard(request: HttpRequest) -> None:
    """CSRF for the doors that need no session yet."""
    if check_csrf(request):
        raise HttpError(403, "The page was open too long: reload it and try again.")


# -- accounts ----------------------------------------------------------------------------------------------


def _session(request: HttpRequest) -> dict[str, Any]:
    get_token(request)
    user = request.user
    if not user.is_authenticated:
        return {
            "signed_in": False,
            "name": "",
            "household": "",
            "measure_name": "glass",
            "measure_ml": 240.0,
            "cup_ml": 237.0,
            "demo": demo.may_open(request),
        }
    h = house(request)
    return {"signed_in": True, "name": user.get_username(), "household": h.name, "measure_name": h.measure_name,
            "measure_ml": h.measure_ml, "cup_ml": h.cup_ml, "demo": demo.may_open(request)}  # fmt: skip


@api.get("/session", response=s.SessionOut, auth=None, tags=["session"])
def session(request: HttpRequest) -> Any:
    return _session(request)


@api.post("/session", response={200: s.SessionOut, 403: s.Trouble, 429: s.Trouble, **BAD}, auth=None, tags=["session"])
def sign_in(request: HttpRequest, data: s.SignIn) -> Any:
    _guard(request)
    user = authenticate(request, username=data.name.strip(), password=data.password)
    if user is None:
        raise Refusal("sign_in", "password", "That name and password do not fit together: check both and try again.")
    login(request, user)
    request.session.pop("left_demo", None)
    return _session(request)


@api.delete("/session", response={200: s.SessionOut, 403: s.Trouble}, auth=None, tags=["session"])
def sign_out(request: HttpRequest) -> Any:
    _guard(request)
    logout(request)
    request.session["left_demo"] = True
    return _session(request)


@api.post("/households", response={201: s.SessionOut, 403: s.Trouble, **BAD}, auth=None, tags=["session"])
def sign_up(request: HttpRequest, data: s.SignUp) -> Any:
    _guard(request)
    user = households.found_household(data.household, data.name, data.password)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return Status(201, _session(request))


@api.put("/household/measure", response={200: s.SessionOut, **BAD}, tags=["session"])
def set_measure(request: HttpRequest, data: s.MeasureIn) -> Any:
    households.set_measure(house(request), data.measure_name, data.measure_ml, data.cup_ml)
    return _session(request)


# -- the engine, nothing kept -------------------------------------------------------------------------------


@cache
def _grains() -> list[dict[str, Any]]:
    return [{**g, "soaks": g["soak"] is not None} for g in pipeline.grains_report()["grains"]]


@api.get("/grains", response={200: list[s.GrainOut], 401: s.Trouble}, tags=["engine"])
def grains(request: HttpRequest) -> Any:
    return _grains()


@cache
def examples_on_disk() -> list[dict[str, str]]:
    """The demo recipes that ship with the program, each in the shape a cook might bring."""
    shapes = {".txt": "a typed text", ".md": "Markdown", ".json": "a recipe file (JSON-LD)"}
    out = []
    for file in sorted((settings.BASE_DIR / "demo" / "recipes").glob("*.*")):
        text = file.read_text(encoding="utf-8")
        out.append(
            {
                "slug": file.stem,
                "title": pipeline.read(text).title.capitalize(),
                "text": text,
                "shape": shapes.get(file.suffix, "a text"),
            }
        )
    return out


@api.get("/examples", response={200: list[s.Example], 401: s.Trouble}, tags=["engine"])
def examples(request: HttpRequest) -> Any:
    return examples_on_disk()


@api.get("/empty", response={204: None, 401: s.Trouble}, tags=["engine"])
def empty(request: HttpRequest) -> Any:
    """Signed in and nothing done: what the benchmark subtracts."""
    house(request)
    return Status(204, None)


@api.post("/read", response={200: s.ReadOut, **BAD}, by_alias=True, tags=["engine"])
def read(request: HttpRequest, data: s.ReadIn) -> Any:
    return actions.read_text(house(request), data.text, [c.model_dump() for c in data.corrections])


@api.post("/shift", response={200: s.ShiftOut, **BAD}, by_alias=True, tags=["engine"])
def shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    return actions.shift_text(
        house(request), data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )


@api.post("/compare", response={200: s.CompareOut, **BAD}, tags=["engine"])
def compare(request: HttpRequest, data: s.CompareIn) -> Any:
    corrections = [c.model_dump() for c in data.corrections]
    return actions.compare_text(
        house(request), data.text, corrections, data.model_dump(exclude={"text", "corrections"})
    )


@api.post("/what-if", response={200: s.WhatIfOut, **BAD}, tags=["engine"])
def what_if(request: HttpRequest, data: s.WhatIfIn) -> Any:
    changed = {"pour_ml": data.pour_ml, "minutes": data.minutes, "lid": data.lid, "start": data.start}
    return actions.what_if(
        house(request), data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump(), changed
    )


@api.get("/grains/{slug}", response={200: s.GrainPage, **BAD}, tags=["engine"])
def grain_page(request: HttpRequest, slug: str) -> Any:
    return actions.grain_page(house(request), slug)


@api.post("/grains/{slug}/other-way", response={200: s.LadderPot, **BAD}, tags=["engine"])
def other_way(request: HttpRequest, slug: str, data: s.OtherWayIn) -> Any:
    return actions.other_way(house(request), slug, data.model_dump())


# -- kept recipes --------------------------------------------------------------------------------------------


def _recipes(request: HttpRequest) -> QuerySet[Recipe]:
    return Recipe.objects.filter(household=house(request))


def _shifts(request: HttpRequest) -> QuerySet[Shift]:
    return Shift.objects.filter(household=house(request))


@api.get("/recipes", response={200: list[s.RecipeRow], 401: s.Trouble}, tags=["kept"])
def recipes(request: HttpRequest) -> Any:
    rows = _recipes(request).annotate(n=Count("shifts"))[:500]
    return [{"id": r.pk, "title": r.title, "version": r.version, "updated": r.updated, "shifts": r.n} for r in rows]


@api.post("/recipes", response={201: s.RecipeOut, **BAD}, tags=["kept"])
def keep_recipe(request: HttpRequest, data: s.RecipeIn) -> Any:
    return Status(201, actions.keep_recipe(house(request), data.text, [c.model_dump() for c in data.corrections]))


@api.get("/recipes/{int:recipe_id}", response={200: s.RecipeOut, **MISSING}, tags=["kept"])
def recipe(request: HttpRequest, recipe_id: int) -> Any:
    return get_object_or_404(_recipes(request), pk=recipe_id)


@api.put("/recipes/{int:recipe_id}", response={200: s.RecipeOut, 409: s.Trouble, **MISSING}, tags=["kept"])
def change_recipe(request: HttpRequest, recipe_id: int, data: s.RecipeChange) -> Any:
    found = get_object_or_404(_recipes(request), pk=recipe_id)
    return actions.change_recipe(found, data.version, data.text, [c.model_dump() for c in data.corrections])


@api.delete("/recipes/{int:recipe_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_recipe(request: HttpRequest, recipe_id: int) -> Any:
    get_object_or_404(_recipes(request), pk=recipe_id).delete()
    return Status(204, None)


# -- kept shifts ---------------------------------------------------------------------------------------------


@api.get("/shifts", response={200: list[s.ShiftRow], 401: s.Trouble}, tags=["kept"])
def shifts(request: HttpRequest) -> Any:
    rows = _shifts(request).only("id", "title", "grain", "recipe_id", "created", "result")[:500]
    return [_row(k) for k in rows]


def _row(kept: Shift) -> dict[str, Any]:
    pots = kept.result["pots"]
    pot = pots[0]
    return {"name": " and ".join(p["name"] for p in pots), "id": kept.pk, "title": kept.title, "grain": kept.grain, "recipe_id": kept.recipe_id, "created": kept.created,
            "pour_ml": pot["water"]["pour_ml"], "cook_min": pot["time"]["cook"]["typical"],
            "total_min": sum(p["min"] for p in kept.result["strip"])}  # fmt: skip


def _kept(kept: Shift) -> dict[str, Any]:
    return {"id": kept.pk, "title": kept.title, "grain": kept.grain, "recipe_id": kept.recipe_id, "created": kept.created,
            "engine": kept.engine, "engine_now": ENGINE_VERSION, "text": kept.text, "corrections": kept.corrections,
            "choice": kept.choice, "result": kept.result}  # fmt: skip


@api.post("/shifts", response={201: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def keep_shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    mine = get_object_or_404(_recipes(request), pk=data.recipe_id) if data.recipe_id is not None else None
    kept = actions.keep_shift(
        house(request), mine, data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )
    return Status(201, _kept(kept))


@api.get("/shifts/{int:shift_id}", response={200: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def kept_shift(request: HttpRequest, shift_id: int) -> Any:
    return _kept(get_object_or_404(_shifts(request), pk=shift_id))


@api.delete("/shifts/{int:shift_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_shift(request: HttpRequest, shift_id: int) -> Any:
    get_object_or_404(_shifts(request), pk=shift_id).delete()
    return Status(204, None)


@api.get("/shifts/{int:shift_id}/recipe.json", response={200: dict, **MISSING}, tags=["out"])
def shift_jsonld(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "json")


@api.get("/shifts/{int:shift_id}/recipe.md", response={200: str, **MISSING}, tags=["out"])
def shift_markdown(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "md")


@api.get("/shifts/{int:shift_id}/recipe.txt", response={200: str, **MISSING}, tags=["out"])
def shift_text(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "txt")


@api.get("/shifts/{int:shift_id}/ledger.csv", response={200: str, **MISSING}, tags=["out"])
def shift_ledger(request: HttpRequest, shift_id: int) -> Any:
    return _file(get_object_or_404(_shifts(request), pk=shift_id), "csv")


@api.get("/shifts/{int:shift_id}/print", response={200: str, **MISSING}, tags=["out"])
def shift_page(request: HttpRequest, shift_id: int) -> Any:
    kept = get_object_or_404(_shifts(request), pk=shift_id)
    answer = HttpResponse(writing.to_page(kept.result))
    answer._csp_update = {"style-src": [f"'sha256-{writing.STYLE_SHA256}'"]}  # type: ignore[attr-defined]
    return answer


def _file(kept: Shift, kind: str) -> HttpResponse:
    body, mime = {
        "json": (writing.to_jsonld, "application/ld+json"),
        "md": (writing.to_markdown, "text/markdown; charset=utf-8"),
        "txt": (writing.to_text, "text/plain; charset=utf-8"),
        "csv": (writing.to_csv, "text/csv; charset=utf-8"),
    }[kind]
    name = (
        "".join(c if c.isascii() and (c.isalnum() or c in "-") else "-" for c in kept.title.lower()).strip("-")
        or "recipe"
    )
    return HttpResponse(
        body(kept.result),
        content_type=mime,
        headers={"Content-Disposition": f'attachment; filename="{name[:80]}.{kind}"'},
    )


# -- the plan ------------------------------------------------------------------------------------------------


def _plan(request: HttpRequest, data: s.PlanIn) -> Plan:
    mine = {k.pk: k for k in _shifts(request).filter(pk__in=data.shift_ids)}
    if len(mine) < len(set(data.shift_ids)):
        raise Http404
    return actions.plan_shifts(
        house(request), [mine[i] for i in dict.fromkeys(data.shift_ids)], data.serve_at, data.now, data.burners
    )


@api.post("/plan", response={200: s.PlanOut, **MISSING}, tags=["plan"])
def plan(request: HttpRequest, data: s.PlanIn) -> Any:
    return plan_report(_plan(request, data))


@api.post("/plan.ics", response={200: str, **MISSING}, tags=["plan"])
def plan_calendar(request: HttpRequest, data: s.PlanIn) -> Any:
    made = writing.to_ics(_plan(request, data), timezone.now())
    return HttpResponse(
        made,
        content_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="dinner.ics"'},
    )
