"""The API through HTTP: accounts, scoping, errors, and that it says what the core says."""

from __future__ import annotations

import io
import json
from pathlib import Path

import pytest
from django.core.cache import cache
from django.test import Client, override_settings
from PIL import Image

from mealshift_server.api import api
from mealshift_server.households.models import User
from mealshift_server.recipes.models import Recipe, Shift
from tests.core.kitchen import demo, report

from .conftest import PASSWORD

JSON = "application/json"
SNAPSHOT = Path(__file__).parents[2] / "src" / "mealshift_server" / "openapi.json"


def post(client: Client, path: str, **data):
    return client.post(f"/api/{path}", json.dumps(data), content_type=JSON)


def test_openapi_is_the_committed_one() -> None:
    """`make api` rewrites the snapshot and the TypeScript types."""
    assert json.loads(json.dumps(api.get_openapi_schema())) == json.loads(SNAPSHOT.read_text(encoding="utf-8"))


def test_sign_up_makes_a_household_and_signs_in(db) -> None:
    client = Client()
    answer = post(client, "households", household="Fennel Row", name="fen", password=PASSWORD)
    assert answer.status_code == 201 and answer.json()["household"] == "Fennel Row"
    assert client.get("/api/recipes").status_code == 200
    nobody = client.delete("/api/session").json()
    assert (nobody["signed_in"], nobody["has_password"], nobody["name"]) == (False, False, "")
    assert client.get("/api/recipes").status_code == 401
    assert post(client, "session", name="fen", password=PASSWORD).json()["signed_in"] is True


@pytest.mark.parametrize(
    ("data", "where"),
    [
        ({"household": "", "name": "fen", "password": PASSWORD}, "household"),
        ({"household": "H", "name": "two words", "password": PASSWORD}, "name"),
        ({"household": "H", "name": "THISTLE", "password": PASSWORD}, "name"),
        ({"household": "H", "name": "fen", "password": "short"}, "password"),
        ({"household": "H", "name": "fen"}, "password"),
    ],
)
def test_sign_up_says_what_is_wrong_at_the_field(neighbour, data, where) -> None:
    answer = Client().post("/api/households", json.dumps(data), content_type=JSON)
    assert answer.status_code == 422 and answer.json()["where"] == where
    assert not User.objects.filter(username="fen").exists()


def test_sign_in_is_throttled_and_says_so(cook) -> None:
    client = Client()
    answers = [post(client, "session", name="fen", password="wrong-password-1").status_code for _ in range(6)]
    assert answers[0] == 422 and answers[-1] == 429
    assert post(client, "session", name="fen", password=PASSWORD).status_code == 429


def test_csrf_is_required_everywhere_that_changes_state(cook) -> None:
    client = Client(enforce_csrf_checks=True)
    assert post(client, "session", name="fen", password=PASSWORD).status_code == 403
    client.force_login(cook, backend="django.contrib.auth.backends.ModelBackend")
    assert post(client, "recipes", text=demo("01")).status_code in (401, 403)
    assert Recipe.objects.count() == 0


def test_everything_needs_a_session_and_is_scoped_to_the_household(cook, neighbour, as_) -> None:
    mine, theirs = as_(cook), as_(neighbour)
    kept = post(mine, "shifts", text=demo("01"), choice={"to": "quinoa"}).json()
    paths = [
        f"recipes/{kept['recipe_id']}",
        f"shifts/{kept['id']}",
        f"shifts/{kept['id']}/recipe.json",
        f"shifts/{kept['id']}/recipe.md",
        f"shifts/{kept['id']}/print",
    ]
    for path in paths:
        assert mine.get(f"/api/{path}").status_code == 200
        assert theirs.get(f"/api/{path}").status_code == 404
        assert Client().get(f"/api/{path}").status_code == 401
    assert theirs.get("/api/recipes").json() == theirs.get("/api/shifts").json() == []
    assert theirs.delete(f"/api/{paths[0]}").status_code == theirs.delete(f"/api/{paths[1]}").status_code == 404
    change = {"text": "stolen", "corrections": [], "version": 1}
    assert theirs.put(f"/api/{paths[0]}", json.dumps(change), content_type=JSON).status_code == 404
    assert (
        post(theirs, "shifts", text=demo("01"), choice={"to": "quinoa"}, recipe_id=kept["recipe_id"]).status_code == 404
    )
    assert Recipe.objects.get().household == cook.household
    for path, name in (
        ("examples", "GET"),
        ("compare", "POST"),
        ("draft", "PUT"),
        ("kitchen", "GET"),
        ("household/measure", "PUT"),
    ):
        assert Client().generic(name, f"/api/{path}", "{}", content_type=JSON).status_code == 401


def test_without_an_account_one_reads_and_shifts_and_nothing_is_kept(cook, as_, settings) -> None:
    mine = as_(cook)
    high = {**mine.get("/api/kitchen").json(), "altitude_m": 3000}
    assert mine.put("/api/kitchen", json.dumps(high), content_type=JSON).status_code == 200
    guest, asked = Client(), {"text": demo("01"), "choice": {"to": "quinoa"}}
    assert post(guest, "read", text=demo("01")).json()["title"] == "Tomato pilaf with chickpeas"
    there, here = (post(c, "shift", **asked).json()["pots"][0]["time"]["cook"] for c in (guest, mine))
    assert there["typical"] < here["typical"], "reckoned in an ordinary kitchen, not in the household's at 3,000 m"
    assert post(guest, "what-if", **asked, lid="open").status_code == 200
    assert guest.get("/api/grains/quinoa").json()["schools"]
    # a named pot of somebody's is nobody's here
    theirs = post(mine, "kitchen/pots", name="wide", diameter_cm=40).json()["id"]
    assert (
        post(guest, "shift", text=demo("01"), choice={"to": "quinoa", "pot_id": theirs}).json()["pots"][0]["water"]
        == post(guest, "shift", **asked).json()["pots"][0]["water"]
    )
    assert post(guest, "shifts", **asked).status_code in (401, 403) and not Recipe.objects.exists()
    assert post(guest, "read", text="200 g rice\n" * 600).json()["code"] == "too_long"
    assert Client(enforce_csrf_checks=True).post("/api/shift", json.dumps(asked), content_type=JSON).status_code == 403
    settings.GUEST_RATE = "2/m"
    fresh = Client(REMOTE_ADDR="203.0.113.9")
    assert [post(fresh, "read", text=demo("01")).status_code for _ in range(3)] == [200, 200, 429]
    assert [post(mine, "read", text=demo("01")).status_code for _ in range(3)] == [200] * 3


def test_what_is_refused_is_said_in_the_units_of_the_house(cook, as_) -> None:
    mine = as_(cook)
    cook.household.amounts, cook.household.heat = "cups", "F"
    cook.household.save()
    wide = post(mine, "kitchen/pots", name="wide", diameter_cm=90)
    assert wide.status_code == 422 and "35 inches" in wide.json()["text"] and "4 to 24 inches" in wide.json()["text"]
    hot = mine.put("/api/kitchen", json.dumps({**mine.get("/api/kitchen").json(), "room_c": 60}), content_type=JSON)
    assert "140 °F" in hot.json()["text"]
    # what a cup holds is asked for in millilitres
    small = mine.put(
        "/api/household/measure", json.dumps({"measure_name": "mug", "measure_ml": 3, "cup_ml": 240}), content_type=JSON
    )
    assert "2,000 ml" in small.json()["text"] and small.json()["where"] == "measure_ml"


def test_the_server_says_what_the_core_says(cook, as_) -> None:
    answer = post(
        as_(cook),
        "shift",
        text=demo("01"),
        choice={"to": "foxtail-millet", "soak_min": 30, "texture": 0.5, "pot_cm": 22},
    )
    from mealshift.pot import Kitchen

    core = report(
        demo("01"),
        "foxtail-millet",
        soak_min=30.0,
        texture=0.5,
        kitchen=Kitchen(pot_cm=22, measure_name="glass"),
        said_unit="measure",
    )
    for part in ("title", "ingredients", "steps", "cautions", "problems", "strip"):
        assert answer.json()[part] == json.loads(json.dumps(core[part]))
    assert answer.json()["pots"][0]["ledger"] == core["pots"][0]["ledger"]
    water = answer.json()["pots"][0]["water"]
    # in their own glass where a quarter of it is near enough, else as the jug shows it
    assert water["pour_said"]["unit"] == "glass" or water["pour_said"] == {"unit": "ml", "amount": water["jug_ml"]}


def test_a_kept_shift_is_there_tomorrow_and_goes_out(cook, as_) -> None:
    client = as_(cook)
    kept = post(
        client,
        "shifts",
        text=demo("05"),
        choice={"to": "bulgur-coarse"},
        corrections=[{"line": "50 g walnuts, broken", "role": "beside"}],
    ).json()
    again = client.get(f"/api/shifts/{kept['id']}").json()
    assert again == kept and again["engine"] == again["engine_now"]
    assert client.get("/api/shifts").json()[0]["pour_ml"] == kept["result"]["pots"][0]["water"]["jug_ml"]
    assert client.get("/api/recipes").json()[0]["shifts"] == 1
    out = client.get(f"/api/shifts/{kept['id']}/recipe.json")
    assert out["Content-Disposition"].startswith("attachment;") and json.loads(out.content)["@type"] == "Recipe"
    assert "# Beetroot and dill salad" in client.get(f"/api/shifts/{kept['id']}/recipe.md").content.decode()
    page = client.get(f"/api/shifts/{kept['id']}/print")
    assert "sha256-" in page["Content-Security-Policy"] and b"contains gluten" in page.content
    assert client.delete(f"/api/recipes/{kept['recipe_id']}").status_code == 204
    assert client.get(f"/api/shifts/{kept['id']}").json()["recipe_id"] is None


def test_two_edits_never_overwrite_each_other_silently(cook, as_) -> None:
    client = as_(cook)
    kept = post(client, "recipes", text=demo("01")).json()
    body = {"text": demo("01") + "\n4. Serve.", "corrections": [], "version": kept["version"]}
    first = client.put(f"/api/recipes/{kept['id']}", json.dumps(body), content_type=JSON)
    second = client.put(
        f"/api/recipes/{kept['id']}", json.dumps({**body, "text": "Another\n\n100 g rice"}), content_type=JSON
    )
    assert (first.status_code, second.status_code) == (200, 409)
    assert Recipe.objects.get().version == 2 and "4. Serve." in Recipe.objects.get().text


@pytest.mark.parametrize(
    ("path", "data", "status", "where"),
    [
        ("read", {"text": ""}, 422, "text"),
        ("read", {"text": "x" * 5_000_000}, 422, "text"),
        ("read", {"text": "\u0000\u0001\u0002"}, 422, "text"),
        ("read", {"text": "y" * 9_000_000}, 413, "text"),
        ("read", {}, 422, "text"),
        ("shift", {"text": "300 g rice", "choice": {"to": "rice-risotto", "texture": "separate"}}, 422, "texture"),
        ("shift", {"text": "300 g rice", "choice": {"to": "dust"}}, 422, "grain"),
        ("shift", {"text": "two carrots", "choice": {"to": "quinoa"}}, 422, "text"),
        ("shift", {"text": "Pot\n\nIngredients\nrice\n300 ml water", "choice": {"to": "quinoa"}}, 422, "rice"),
        ("shift", {"text": "300 g rice", "choice": {"to": "quinoa", "altitude_m": 9000}}, 422, "altitude"),
        ("shift", {"text": "300 g rice", "choice": {"to": "quinoa", "lid": "golden"}}, 422, "lid"),
        ("household/measure", {"measure_name": "glass", "measure_ml": -4}, 405, None),
    ],
    ids=lambda v: v if isinstance(v, str) else None,
)
def test_bad_input_is_one_sentence_at_its_place(cook, as_, path, data, status, where) -> None:
    answer = post(as_(cook), path, **data)
    assert answer.status_code == status
    if where is not None:
        assert answer.json()["where"] == where
        assert answer.json()["text"].rstrip().endswith((".", "?")) and "Traceback" not in answer.json()["text"]


def test_broken_json_is_said(cook, as_) -> None:
    answer = as_(cook).post("/api/read", "{not json", content_type=JSON)
    assert answer.status_code == 400 and answer.json()["text"]


def test_the_measure_is_the_households_own(cook, as_) -> None:
    client = as_(cook)
    answer = client.put(
        "/api/household/measure", json.dumps({"measure_name": "mug", "measure_ml": 300}), content_type=JSON
    )
    assert answer.json()["measure_ml"] == 300
    said = post(client, "shift", text=demo("03"), choice={"to": "quinoa"}).json()["pots"][0]
    assert said["dry"]["ml"] == 300 and said["water"]["pour_said"]["unit"] == "mug"


# -- the demo's open door --------------------------------------------------------------------------------------


@pytest.fixture
def demo_cook(db) -> User:
    from django.core.management import call_command

    call_command("seed_demo")
    return User.objects.get(username="fennel")


@pytest.mark.parametrize(
    ("setting", "bind", "headers", "opens"),
    [
        (True, "127.0.0.1", {}, True),
        (False, "127.0.0.1", {}, False),
        (True, "0.0.0.0", {}, False),
        (True, "127.0.0.1", {"HTTP_HOST": "kitchen.example"}, False),
        (True, "127.0.0.1", {"HTTP_X_FORWARDED_FOR": "10.0.0.9"}, False),
        (True, "127.0.0.1", {"HTTP_FORWARDED": "for=10.0.0.9"}, False),
        (True, "127.0.0.1", {"REMOTE_ADDR": "10.0.0.9"}, False),
        (True, "127.0.0.1", {"HTTP_SOME_EDGE_CLIENT": "10.0.0.9"}, False),
        (True, "127.0.0.1", {"SERVER_PROTOCOL": "HTTP/1.0"}, False),
        (True, "127.0.0.1", {"HTTP_SEC_CH_UA": "x", "HTTP_ACCEPT_LANGUAGE": "pt", "HTTP_DNT": "1"}, True),
        (True, "127.0.0.1", {"HTTP_SEC_FETCH_MODE": "navigate"}, True),
        # a page that is only put by comes in nobody's name: it may be on its way while somebody signs out
        (True, "127.0.0.1", {"HTTP_SEC_FETCH_MODE": "cors"}, False),
    ],
)
def test_the_demo_opens_only_on_this_machine(demo_cook, built, setting, bind, headers, opens) -> None:
    with override_settings(DEMO=setting, BIND=bind, ALLOWED_HOSTS=["*"]):
        client = (
            Client(headers={"host": "localhost:8000"}, **headers) if "HTTP_HOST" not in headers else Client(**headers)
        )
        client.get("/")
        assert client.get("/api/session").json()["signed_in"] is opens
    if opens:
        assert len(client.get("/api/recipes").json()) == 10


def test_signing_out_of_the_demo_stays_out(demo_cook, built) -> None:
    with override_settings(DEMO=True):
        client = Client(headers={"host": "localhost"})
        client.get("/")
        client.delete("/api/session")
        client.get("/")
        assert client.get("/api/session").json()["signed_in"] is False


def test_headers(db) -> None:
    answer = Client().get("/api/session")
    policy = answer["Content-Security-Policy"]
    assert "default-src 'none'" in policy and "script-src 'self'" in policy and "unsafe" not in policy
    assert answer["X-Frame-Options"] == "DENY" and answer["X-Content-Type-Options"] == "nosniff"


def test_shift_rows_hold_the_engine_and_choice(cook, as_) -> None:
    post(as_(cook), "shifts", text=demo("01"), choice={"to": "quinoa"})
    kept = Shift.objects.get()
    assert (
        kept.engine
        and kept.choice["to"] == "quinoa"
        and kept.factors == {"water": 1.0, "time": 1.0, "boil_off": 1.0, "liking": 0.0}
    )


def test_every_grain_what_if_and_the_grain_page(cook, as_) -> None:
    client = as_(cook)
    ranked = post(client, "compare", text=demo("01"), by_hours=1, gluten_free=True).json()
    assert ranked["weighed"] > 100 and not any(g["gluten"] for g in ranked["grains"])
    runs = post(client, "what-if", text=demo("01"), choice={"to": "quinoa"}, lid="open").json()
    assert runs["plan"]["verdict"]["code"] == "right" and runs["changed"]["verdict"]["code"] == "scorched"
    page = client.get("/api/grains/little-millet").json()
    assert len(page["schools"]) == 4 and page["ladder"][0]["texture"] == "separate" and page["measure_name"] == "glass"
    blend = {"to": "quinoa", "blend": [{"grain": "quinoa", "share": 3}, {"grain": "rice-brown-long", "share": 7}]}
    assert post(client, "shift", text=demo("01"), choice=blend).json()["blend"]["kind"] == "staggered"
    for path, data in (
        ("compare", {"text": demo("01"), "by_hours": -1}),
        ("compare", {"text": demo("01"), "pot_cm": 2}),
        ("what-if", {"text": demo("01"), "choice": {"to": "quinoa"}, "pour_ml": -5}),
        ("what-if", {"text": demo("01"), "choice": {"to": "quinoa"}, "minutes": 900}),
        (
            "shift",
            {
                "text": demo("01"),
                "choice": {**blend, "blend": [{"grain": "quinoa", "share": 0}, {"grain": "fonio", "share": 1}]},
            },
        ),
        ("shift", {"text": demo("01"), "choice": {"to": "quinoa", "soak_min": 43200}}),
        ("shift", {"text": demo("01"), "choice": {"to": "quinoa", "method": "microwave", "watts": 0}}),
    ):
        answer = post(client, path, **data)
        assert answer.status_code == 422 and answer.json()["text"].endswith(".")
    assert client.get("/api/grains/dust").status_code == 422


def test_a_plan_of_kept_shifts_is_the_households_own(cook, neighbour, as_) -> None:
    client = as_(cook)
    ids = [post(client, "shifts", text=demo(n), choice={"to": "quinoa"}).json()["id"] for n in ("01", "04")]
    asked = {
        "dishes": [{"key": str(i)} for i in ids],
        "serve_at": "2026-11-25T19:00:00",
        "now": "2026-11-25T16:00:00",
        "burners": 2,
        "zone": "Europe/Lisbon",
    }
    planned = post(client, "plan", **asked).json()
    assert planned["problems"] == [] and len({t["dish"] for t in planned["tasks"]}) == 2
    assert max(t["end"] for t in planned["tasks"]) <= planned["serve_at"] == "2026-11-25T19:00:00Z"
    pin = {"id": planned["tasks"][0]["id"], "start": "2026-11-25T17:00:00Z"}
    moved = {t["id"]: t["start"] for t in post(client, "plan", **asked, pinned=[pin]).json()["tasks"]}
    assert moved[pin["id"]] == pin["start"]
    assert post(client, "plan.ics", **asked).content.startswith(b"BEGIN:VCALENDAR")
    assert post(as_(neighbour), "plan", **asked).status_code == 404
    for wrong in ({"burners": 0}, {"now": "2026-11-25T20:00:00"}, {"dishes": []}):
        answer = post(client, "plan", **{**asked, **wrong})
        assert answer.status_code == 422 and answer.json()["text"].endswith(".")


def test_the_other_way_round_over_http(cook, as_) -> None:
    client = as_(cook)
    found = post(client, "grains/quinoa/other-way", water_ml=500).json()
    assert found["water"]["pour_ml"] == 500 and found["dry"]["g"] > 150
    assert post(client, "grains/quinoa/other-way", water_ml=500, dry_ml=240).json()["texture"] in (
        "fluffy",
        "moist",
        "soft",
    )
    assert post(client, "grains/quinoa/other-way", fill=True).status_code == 200
    for wrong in ({}, {"water_ml": 1}, {"depth_cm": 99}, {"water_ml": 500, "dry_ml": -1}):
        assert post(client, "grains/quinoa/other-way", **wrong).status_code == 422


def test_the_worker_stands_at_the_root_and_is_never_stale(built) -> None:
    assert Client().get("/sw.js").status_code == 404
    (built / "sw.js").write_text("self.x = 1")
    got = Client().get("/sw.js")
    assert got.headers["Content-Type"].startswith("text/javascript") and got.headers["Cache-Control"] == "no-cache"


def test_the_page_and_its_cookie(cook, built) -> None:
    answer = Client().get("/kept/3")
    assert answer.status_code == 200 and b"Meal Shift" in answer.content and "csrftoken" in answer.cookies
    assert Client().post("/kept/3").status_code == 405


@pytest.mark.parametrize(
    ("path", "body", "status"),
    [
        ("shift", '{"text": "200 g rice", "choice": {"to": "quinoa", "servings": NaN}}', 400),
        ("shift", '{"text": "200 g rice", "choice": {"to": "quinoa", "servings": 1e999}}', 400),
        ("notebook", '{"shift_id": 99999999999999999999999}', 400),
        ("left", '{"name": "cold \\ud800 pilaf", "grain": "quinoa", "portions": 1}', 201),
        ("read", '{"text": "200 g rice \\udfff\\n400 ml water\\nSimmer 10 minutes."}', 200),
    ],
)
def test_what_no_database_holds_is_said_or_mended(cook, as_, path, body, status) -> None:
    answer = as_(cook).post(f"/api/{path}", body, content_type=JSON)
    assert answer.status_code == status and (status < 400 or answer.json()["text"].endswith("."))


@pytest.mark.parametrize(
    "path", ["recipes/99999999999999999999", "week?day=9999-12-31", "notebook?cooking=99999999999999999999", "nowhere"]
)
def test_out_of_all_bounds_is_a_sentence_not_a_page_of_html(cook, as_, path) -> None:
    answer = as_(cook).get(f"/api/{path}")
    assert answer.status_code in (404, 422) and answer.json()["text"].endswith(".")


def test_a_fault_of_ours_is_a_sentence_too(cook, as_, monkeypatch) -> None:
    monkeypatch.setattr("mealshift_server.recipes.queries.read_text", lambda *a: 1 / 0)
    answer = post(as_(cook), "read", text="200 g rice")
    assert answer.status_code == 500 and "what you typed is still on the page" in answer.json()["text"]


def test_a_small_file_of_a_huge_picture_is_not_unpacked(cook, as_) -> None:
    client = as_(cook)
    told = post(client, "notebook", dish="x", grain="quinoa", amount="240 ml").json()
    bomb = io.BytesIO()
    Image.new("1", (9000, 9000)).save(bomb, "PNG")
    answer = client.put(f"/api/notebook/{told['id']}/photo", bomb.getvalue(), content_type="image/png")
    assert answer.status_code == 422 and "81 million pixels" in answer.json()["text"]


def test_a_recipe_is_tried_without_an_account_and_kept_nowhere(db, settings) -> None:
    client = Client()
    tried = post(client, "try", text="", to="quinoa").json()
    assert tried["rows"][0]["grain"] == "foxtail-millet" and len(tried["rows"]) == 6 and "quinoa" in tried["becomes"]
    assert any("quinoa" in t for t in tried["ingredients"]) and tried["steps"]
    assert post(client, "try", text=demo("03"), to="fonio").json()["rows"][-1]["grain"] == "fonio"
    for body in ({"text": "buy milk"}, {"text": demo("01"), "to": "gravel"}):
        refused = post(client, "try", **body)
        assert refused.status_code == 422 and refused.json()["text"].endswith(".")
    assert not Recipe.objects.exists() and client.get("/api/recipes").status_code == 401
    guarded = Client(enforce_csrf_checks=True)
    assert post(guarded, "try", text="").status_code == 403
    settings.TRY_RATE = "2/m"
    cache.clear()
    assert [post(client, "try", text="").status_code for _ in range(3)] == [200, 200, 429]


def test_a_list_of_recipes_goes_on_to_its_end(cook, as_) -> None:
    """No household's hundred and first recipe is out of reach; each stands on one page, and there is no page 0."""
    client = as_(cook)
    first = Recipe.objects.get(pk=post(client, "recipes", text=demo("01")).json()["id"])
    for n in range(100):
        first.pk, first.title = None, f"Dish {n}"
        first._state.adding = True
        first.save()
    pages = [client.get(f"/api/recipes?page={n}").json() for n in (1, 2, 3)]
    assert [len(p) for p in pages] == [100, 1, 0]
    assert len({r["id"] for p in pages for r in p}) == 101
    assert client.get("/api/recipes?page=0").status_code == 422
    assert client.get("/api/shifts?page=1").json() == []
