"""The doors of reading and shifting, of kept recipes and shifts, and of what goes out of them as a file."""

from __future__ import annotations

from functools import cache
from typing import Any, cast

from django.conf import settings
from django.db.models import QuerySet
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from ninja import Router, Status

from mealshift import pipeline, results, writing
from mealshift.problems import Refusal
from mealshift_server.base.answers import BAD, MISSING, a_file
from mealshift_server.base.doors import OrGuest, PerAddress, PerGuest, guard
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.models import Household, User
from mealshift_server.households.scope import house, house_or_guest, one
from mealshift_server.larder.models import Bag

from . import actions, queries
from . import schemas as s
from .models import Recipe, Shift

router = Router(tags=["kept"])
# reading and the bench, to be tried by who has no account: nothing is kept, and not too much of it from one address
OPEN: dict[str, Any] = {"auth": [OrGuest()], "throttle": [PerGuest("guest", "GUEST_RATE")], "tags": ["engine"]}


# letters of a text that is read for who has no account
GUEST_LETTERS = 6000


def _for(request: HttpRequest, text: str) -> Household:
    """Whose kitchen a text is reckoned in."""
    if not request.user.is_authenticated and len(text) > GUEST_LETTERS:
        raise Refusal(
            "too_long",
            "text",
            f"Without an account a recipe of up to {GUEST_LETTERS:,} letters is read: bring only the recipe itself, or sign in.",
        )
    return house_or_guest(request)


@cache
def _grains() -> list[results.GrainRow]:
    return pipeline.grains_report()["grains"]


@router.get("/grains", response={200: list[results.GrainShown], 429: Trouble}, **OPEN)
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


@router.get("/examples", response={200: list[s.Example], 401: Trouble}, tags=["engine"])
def examples(request: HttpRequest) -> Any:
    return examples_on_disk()


@router.get("/empty", response={204: None, 401: Trouble}, tags=["engine"])
def empty(request: HttpRequest) -> Any:
    """Signed in and nothing done: what the benchmark subtracts."""
    house(request)
    return Status(204, None)


@router.post("/read", response={200: results.Reading, 429: Trouble, **BAD}, by_alias=True, **OPEN)
def read(request: HttpRequest, data: s.ReadIn) -> Any:
    return queries.read_text(_for(request, data.text), data.text, [c.model_dump() for c in data.corrections])


@router.post(
    "/try",
    response={200: s.TriedOut, 403: Trouble, 429: Trouble, **BAD},
    auth=None,
    tags=["session"],
    throttle=[PerAddress("try", "TRY_RATE")],
)
def try_recipe(request: HttpRequest, data: s.TryIn) -> Any:
    """A recipe in six grains for who has no account yet: reckoned for an ordinary kitchen, and kept nowhere."""
    guard(request)
    text = data.text.strip()
    return queries.try_text(text, data.to) if text else queries.try_example(examples_on_disk()[0]["text"], data.to)


@router.post("/shift", response={200: results.Shifted, 429: Trouble, **BAD}, by_alias=True, **OPEN)
def shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    return queries.shift_text(
        _for(request, data.text), data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )


@router.post("/what-if", response={200: results.WhatIf, 429: Trouble, **BAD}, **OPEN)
def what_if(request: HttpRequest, data: s.WhatIfIn) -> Any:
    changed = {"pour_ml": data.pour_ml, "minutes": data.minutes, "lid": data.lid, "start": data.start}
    return queries.what_if(
        _for(request, data.text),
        data.text,
        [c.model_dump() for c in data.corrections],
        data.choice.model_dump(),
        changed,
    )


@router.get("/grains/{slug}", response={200: results.GrainPage, 429: Trouble, **BAD}, **OPEN)
def grain_page(request: HttpRequest, slug: str) -> Any:
    return queries.grain_page(house_or_guest(request), slug)


@router.post("/grains/{slug}/other-way", response={200: results.LadderPot, **BAD}, tags=["engine"])
def other_way(request: HttpRequest, slug: str, data: s.OtherWayIn) -> Any:
    return queries.other_way(house(request), slug, data.model_dump())


@router.post("/grains/{slug}/alone", response={200: s.JustAPotOut, **BAD}, tags=["engine"])
def alone(request: HttpRequest, slug: str, data: s.JustAPotIn) -> Any:
    """Just a pot of it, as the text of a recipe."""
    return queries.alone(house(request), slug, data.amount, data.texture, data.pot_id)


def _recipes(request: HttpRequest) -> QuerySet[Recipe]:
    return Recipe.objects.filter(household=house(request))


def _shifts(request: HttpRequest) -> QuerySet[Shift]:
    return Shift.objects.filter(household=house(request))


@router.get("/recipes", response={200: list[s.RecipeRow], 401: Trouble}, tags=["kept"])
def recipes(request: HttpRequest, page: s.Page = 1) -> Any:
    """A page of them, the last touched first; the last page is not full."""
    return queries.recipe_rows(house(request), page)


@router.post("/recipes", response={201: s.RecipeOut, **BAD}, tags=["kept"])
def keep_recipe(request: HttpRequest, data: s.RecipeIn) -> Any:
    return Status(201, actions.keep_recipe(house(request), data.text, [c.model_dump() for c in data.corrections]))


@router.get("/draft", response={200: s.DraftOut, 401: Trouble}, tags=["kept"])
def draft(request: HttpRequest) -> Any:
    return queries.draft(house(request))


@router.put("/draft", response={200: s.DraftOut, **BAD}, tags=["kept"])
def put_draft(request: HttpRequest, data: s.DraftIn) -> Any:
    return queries.draft_shown(actions.put_draft(house(request), cast(User, request.user), data.model_dump()))


@router.get("/recipes/{int:recipe_id}", response={200: s.RecipeOut, **MISSING}, tags=["kept"])
def recipe(request: HttpRequest, recipe_id: int) -> Any:
    return one(_recipes(request), house(request), "recipe", recipe_id)


@router.put("/recipes/{int:recipe_id}", response={200: s.RecipeOut, 409: Trouble, **MISSING}, tags=["kept"])
def change_recipe(request: HttpRequest, recipe_id: int, data: s.RecipeChange) -> Any:
    found = one(_recipes(request), house(request), "recipe", recipe_id)
    return actions.change_recipe(found, data.version, data.text, [c.model_dump() for c in data.corrections])


@router.delete("/recipes/{int:recipe_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_recipe(request: HttpRequest, recipe_id: int) -> Any:
    one(_recipes(request), house(request), "recipe", recipe_id).delete()
    return Status(204, None)


@router.get("/shifts", response={200: list[s.ShiftRow], 401: Trouble}, tags=["kept"])
def shifts(request: HttpRequest, page: s.Page = 1) -> Any:
    """A page of them, the newest first; the last page is not full."""
    return queries.shift_rows(house(request), page)


@router.post("/shifts", response={201: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def keep_shift(request: HttpRequest, data: s.ShiftIn) -> Any:
    mine = one(_recipes(request), house(request), "recipe", data.recipe_id) if data.recipe_id is not None else None
    kept = actions.keep_shift(
        house(request), mine, data.text, [c.model_dump() for c in data.corrections], data.choice.model_dump()
    )
    return Status(201, queries.kept_shift(kept, house(request)))


@router.get("/shifts/{int:shift_id}", response={200: s.KeptShift, **MISSING}, by_alias=True, tags=["kept"])
def kept_shift(request: HttpRequest, shift_id: int) -> Any:
    mine = house(request)
    return queries.kept_shift(one(_shifts(request), mine, "shift", shift_id), mine)


@router.delete("/shifts/{int:shift_id}", response={204: None, **MISSING}, tags=["kept"])
def drop_shift(request: HttpRequest, shift_id: int) -> Any:
    one(_shifts(request), house(request), "shift", shift_id).delete()
    return Status(204, None)


@router.get(
    "/shifts/{int:shift_id}/recipe.json",
    response=MISSING,
    openapi_extra=a_file("application/ld+json", "The recipe as schema.org JSON-LD"),
    tags=["out"],
)
def shift_jsonld(request: HttpRequest, shift_id: int) -> Any:
    return _file(one(_shifts(request), house(request), "shift", shift_id), "json")


@router.get(
    "/shifts/{int:shift_id}/recipe.md",
    response=MISSING,
    openapi_extra=a_file("text/markdown", "The recipe as Markdown"),
    tags=["out"],
)
def shift_markdown(request: HttpRequest, shift_id: int) -> Any:
    return _file(one(_shifts(request), house(request), "shift", shift_id), "md")


@router.get(
    "/shifts/{int:shift_id}/recipe.txt",
    response=MISSING,
    openapi_extra=a_file("text/plain", "The recipe as plain text"),
    tags=["out"],
)
def shift_text(request: HttpRequest, shift_id: int) -> Any:
    return _file(one(_shifts(request), house(request), "shift", shift_id), "txt")


@router.get(
    "/shifts/{int:shift_id}/ledger.csv",
    response=MISSING,
    openapi_extra=a_file("text/csv", "The ledger of its water"),
    tags=["out"],
)
def shift_ledger(request: HttpRequest, shift_id: int) -> Any:
    return _file(one(_shifts(request), house(request), "shift", shift_id), "csv")


@router.get(
    "/shifts/{int:shift_id}/print",
    response=MISSING,
    openapi_extra=a_file("text/html", "The recipe as a page to print"),
    tags=["out"],
)
def shift_page(request: HttpRequest, shift_id: int) -> Any:
    kept = one(_shifts(request), house(request), "shift", shift_id)
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


@router.get("/larder/{int:bag_id}/dishes", response={200: s.DishesFrom, **MISSING}, tags=["larder"])
def dishes_from(request: HttpRequest, bag_id: int, page: int = 1) -> Any:
    return queries.dishes_from(house(request), get_object_or_404(Bag, household=house(request), pk=bag_id), page)
