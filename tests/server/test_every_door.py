"""Every door of the API, from its own snapshot: nothing of a neighbour's opens, nothing sent makes it stumble."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator
from typing import Any

import pytest
from django.test import Client

from mealshift_server.api import api
from mealshift_server.households.models import User
from mealshift_server.kitchen.models import Device, Pot
from mealshift_server.larder.models import Bag, Left
from mealshift_server.notebook.models import Entry
from mealshift_server.plans.models import Cooking
from mealshift_server.recipes.models import Recipe, Shift
from mealshift_server.week.models import Meal
from tests.core.kitchen import demo

from .test_api import JSON, post
from .test_home import full as nearly_full  # noqa: F401 - a household with something of almost everything
from .test_stove import stove  # noqa: F401

SCHEMA: dict[str, Any] = json.loads(json.dumps(api.get_openapi_schema()))
# doors whose job is to end or to replace all: tried by name elsewhere
ENDS = {"/api/household/delete", "/api/restore", "/api/session", "/api/households", "/api/join"}
HOSTILE: list[Any] = [
    None, -1, 0, 10**20, 1e308, True, "", "x" * 5000, "\ud800\u0000", "9999-12-31", "0001-01-01T00:00:00", "2026-11-26T19:00", [], {}, [[]], {"a": {"b": []}},
    "' OR 1=1 --", "Serves 0\n0 g rice\n0 ml water",
]  # fmt: skip
# values with which a door goes all the way
FITTING: dict[str, Any] = {
    "grain": "quinoa", "to": "quinoa", "text": demo("01"), "amount": "200 g", "line": "quinoa 500 g", "name": "a pot", "lid": "ordinary", "kind": "note", "diameter_cm": 20.0, "texture": "fluffy",
    "zone": "Europe/Lisbon", "dry_ml": 200, "pot_cm": 20.0, "pour_ml": 400.0, "minutes": 15.0, "portions": 2, "days": 2, "per_week": 2, "before_ml": 1000.0, "after_ml": 900.0, "place": "fridge",
    "burners": [1200.0], "oven_places": 2, "altitude_m": 0, "room_c": 20, "jar_ml": 400, "whistle_min": 2.5, "time_zone": "Europe/Lisbon", "measure_name": "glass", "measure_ml": 240.0,
}  # fmt: skip


def doors() -> Iterator[tuple[str, str, dict[str, Any]]]:
    for path, methods in SCHEMA["paths"].items():
        for method, what in methods.items():
            yield method, path, what


def named(schema: dict[str, Any]) -> dict[str, Any]:
    if "$ref" in schema:
        return SCHEMA["components"]["schemas"][schema["$ref"].rsplit("/", 1)[1]]  # type: ignore[no-any-return]
    return schema


def plain(schema: dict[str, Any], depth: int = 0) -> Any:
    """The simplest value of a schema."""
    schema = named(schema)
    for key in ("anyOf", "allOf", "oneOf"):
        if key in schema:
            return plain(schema[key][0], depth + 1)
    if "enum" in schema or "const" in schema:
        return schema.get("const") or schema["enum"][0]
    kind = schema.get("type")
    if kind == "object":
        wanted = schema.get("required", [])
        return {k: FITTING.get(k, plain(v, depth + 1)) for k, v in schema.get("properties", {}).items() if k in wanted}
    if kind == "array":
        return [plain(schema["items"], depth + 1)] if depth < 4 and "items" in schema else []
    if kind == "string":
        made = {"date": "2026-11-26", "date-time": "2026-11-26T19:00:00Z"}.get(
            schema.get("format", ""), "a pot of rice"
        )
        return made.ljust(schema.get("minLength", 0), "x")
    return {"integer": 1, "number": 1.5, "boolean": True}.get(str(kind))


def body_of(what: dict[str, Any]) -> dict[str, Any] | None:
    content = what.get("requestBody", {}).get("content", {}).get("application/json")
    return None if content is None else named(content["schema"])


def send(client: Client, method: str, path: str, body: Any) -> Any:
    text = json.dumps(body) if body is not None else ""
    return getattr(client, method)(path, text, content_type=JSON) if method != "get" else client.get(path)


def ids(user: User) -> dict[str, int]:
    """One row of each kind that a path may name."""
    house = user.household
    rows = {
        "recipe_id": Recipe, "shift_id": Shift, "pot_id": Pot, "cooking_id": Cooking, "entry_id": Entry, "bag_id": Bag, "left_id": Left, "meal_id": Meal, "device_id": Device,
    }  # fmt: skip
    found = {k: m.objects.filter(household=house).values_list("pk", flat=True).first() for k, m in rows.items()}
    return {k: v for k, v in found.items() if v is not None} | {
        "member_id": user.pk,
        "signed_in_id": getattr(user.signed_in.first(), "pk", 0),
    }


@pytest.fixture
def full(nearly_full: Client) -> Client:  # noqa: F811
    """A row of each kind that a path may name."""
    post(nearly_full, "kitchen/devices", name="scale", kind="scale")
    post(nearly_full, "left", name="pilaf", grain="quinoa", portions=2)
    post(nearly_full, "week/meals", recipe_id=Recipe.objects.values_list("pk", flat=True).first(), on="2090-05-01")
    return nearly_full


def test_no_door_opens_for_a_neighbour(full: Client, cook: User, neighbour: User, as_: Any) -> None:  # noqa: F811
    mine, other, tried = ids(cook), as_(neighbour), 0
    by_number = {x for _, path, _ in doors() for x in re.findall(r"\{(\w+)\}", path)} - {"slug"}
    assert by_number == set(mine)
    for method, path, what in doors():
        wanted = [x for x in re.findall(r"\{(\w+)\}", path) if x != "slug"]
        if not wanted:
            continue
        schema = body_of(what)
        address = path
        for x in wanted:
            address = address.replace("{" + x + "}", str(mine[x]))
        answer = send(other, method, address, plain(schema) if schema else None)
        # a body that cannot be is refused before the row is looked for; then nothing was opened either
        assert answer.status_code in (404, 422), (method, path, answer.status_code)
        if answer.status_code == 422 and schema is not None:
            assert "properties" in schema, path
        tried += 1
    assert tried >= 20
    assert ids(cook) == mine, "and nothing of it is gone"


def test_a_file_is_of_the_kind_its_door_says(full: Client, cook: User) -> None:
    mine, seen = ids(cook), set()
    for method, path, what in doors():
        # an answer that is documented as nothing else is JSON
        [said] = list(what["responses"].get(200, what["responses"].get("200", {})).get("content", {})) or [None]
        if method != "get" or path in ENDS or path.startswith(("/api/device/", "/api/backup")):
            continue
        address = path.replace("{slug}", "quinoa")
        for x in re.findall(r"\{(\w+)\}", address):
            address = address.replace("{" + x + "}", str(mine[x]))
        answer = full.get(address)
        if answer.status_code == 200:
            assert answer.headers["Content-Type"].split(";")[0] == said, path
            seen.add(said)
    assert {
        "application/ld+json",
        "text/markdown",
        "text/plain",
        "text/csv",
        "text/html",
        "text/calendar",
        "image/jpeg",
    } < seen


@pytest.mark.parametrize(("method", "path"), sorted({(m, p) for m, p, _ in doors() if p not in ENDS}))
def test_nothing_sent_makes_a_door_stumble(full: Client, cook: User, method: str, path: str, request: Any) -> None:  # noqa: F811
    """One leaf of a fitting body at a time is made hostile, every query and every number of a path too: an answer below 500, always a sentence."""
    mine, what = ids(cook), SCHEMA["paths"][path][method]
    full.raise_request_exception = False
    address = path.replace("{slug}", "quinoa")
    for x in re.findall(r"\{(\w+)\}", address):
        address = address.replace("{" + x + "}", str(mine.get(x, 1)))
    schema = body_of(what)
    sent: list[tuple[str, Any]] = [
        (re.sub(r"\{\w+\}", odd, path.replace("{slug}", odd)), None)
        for odd in ("0", "99999999999999999999", "quinoa%00", "%F0")
    ]
    for query in (p["name"] for p in what.get("parameters", []) if p["in"] == "query"):
        sent += [
            (f"{address}?{query}={odd}", None)
            for odd in ("", "-1", "9" * 40, "NaN", "%00", "0001-01-01", "9999-12-31", "x" * 3000)
        ]
    if schema is not None:
        fitting = with_ids(plain(schema), mine)
        for place in leaves(schema, fitting):
            sent += [(address, changed(fitting, place, odd)) for odd in HOSTILE]
        sent += [(address, odd) for odd in ([], "x", {"a": 1})]
    elif method == "get":
        sent.append((address, None))
    for to, body in sent:
        answer = send(full, method, to, body)
        assert answer.status_code < 500, (method, to, body, answer.content[:300])
        if (
            answer.status_code >= 400
            and to.startswith("/api/")
            and answer.headers["Content-Type"].startswith("application/json")
        ):
            said = json.loads(answer.content)
            assert said["text"].strip() and "Traceback" not in said["text"]


def with_ids(value: Any, mine: dict[str, int]) -> Any:
    """The body with this household's own rows in it."""
    if isinstance(value, dict):
        return {k: mine[k] if k in mine else with_ids(v, mine) for k, v in value.items()}
    return [with_ids(v, mine) for v in value] if isinstance(value, list) else value


def leaves(schema: dict[str, Any], value: Any, depth: int = 0) -> Iterator[tuple[str | int, ...]]:
    """Places in a fitting body that may be changed: its own fields, optional ones too, and those one and two levels in."""
    schema = named(schema)
    for name, inner in schema.get("properties", {}).items():
        yield (name,)
        inner = named(inner)
        if depth < 2 and isinstance(value, dict) and isinstance(value.get(name), dict):
            yield from ((name, *rest) for rest in leaves(inner, value[name], depth + 1))
        elif (
            depth < 2
            and isinstance(value, dict)
            and isinstance(value.get(name), list)
            and value[name]
            and "items" in inner
        ):
            yield from ((name, 0, *rest) for rest in leaves(inner["items"], value[name][0], depth + 1))


def changed(value: Any, place: tuple[str | int, ...], odd: Any) -> Any:
    out = json.loads(json.dumps(value))
    inner = out
    for step in place[:-1]:
        inner = inner[step]
    inner[place[-1]] = odd
    return out
