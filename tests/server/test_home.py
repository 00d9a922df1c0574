"""Notebook, lessons, larder, members and backup through HTTP."""

from __future__ import annotations

import hashlib
import io
import json
import re
import time
from datetime import UTC, date, datetime, timedelta
from pathlib import Path
from unittest import mock

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import CommandError, call_command
from django.test import Client
from django.utils import timezone
from PIL import Image

from mealshift.learning import CATALOGUE
from mealshift.problems import Refusal
from mealshift_server.backup import form, restoring
from mealshift_server.households import actions
from mealshift_server.households.models import Household, Invite, User
from mealshift_server.kitchen.actions import note_took
from mealshift_server.larder.models import Bag
from mealshift_server.notebook.models import Entry, Photo
from mealshift_server.plans.models import Cooking
from mealshift_server.recipes.models import Recipe, Shift
from mealshift_server.taught.models import Decision
from tests.core.kitchen import demo

from .conftest import PASSWORD
from .test_api import JSON, post
from .test_stove import put, side, state, stove, touch  # noqa: F401 - a fixture

HAND = {"dish": "Tuesday pilaf", "grain": "quinoa", "amount": "240 ml"}


def by_hand(client: Client, **more):
    return post(client, "notebook", **{**HAND, **more})


def dry_pots(client: Client, n: int) -> None:
    """So many pots that were poured as told and came out dry."""
    for k in range(n):
        told = by_hand(client, on=(date.today() - timedelta(days=3 * k)).isoformat()).json()
        put(client, f"notebook/{told['id']}", poured_ml=told["pour_ml"], taken_min=told["cook_min"], wet=-1, soft=0)


def serve(client: Client, cooking: int) -> None:
    steps = [
        s
        for s in state(client, cooking)["steps"]
        if s["kind"] == "finish" or s["style"] == "remind" or s["kind"] == "boil"
    ]
    touch(client, cooking, *((f"serve-{n}", "done", {"step": s["id"]}) for n, s in enumerate(steps)))


def test_a_cooking_writes_its_own_entry_and_a_slip_takes_nothing_away(stove, request) -> None:  # noqa: F811
    client, _asked, cooking = stove
    bag = post(client, "larder", line="500 g foxtail millet, best 3/2090").json()
    pot = state(client, cooking)["pots"][0]
    boil = next(s for s in state(client, cooking)["steps"] if s["kind"] == "boil")
    touch(
        client,
        cooking,
        ("0", "done", {"step": boil["id"]}),
        ("1", "poured", {"pot": pot["key"], "ml": 60}),
        ("2", "note", {"text": "a little smoky"}),
    )
    serve(client, cooking)
    [entry] = client.get("/api/notebook").json()["entries"]
    assert entry["poured_ml"] == boil["pour_ml"] + 60 == entry["pour_ml"] + 60 and entry["top_ups_ml"] == 60
    assert (
        entry["note"] == "a little smoky"
        and entry["by"] == "fen"
        and entry["counts"]
        and entry["taken_min"] is not None
    )
    put(client, f"notebook/{entry['id']}", wet=1, soft=0, word="soft and good", stars=4)
    last = client.get(f"/api/cookings/{cooking}").json()["state"]["steps"]
    finish = next(s for s in last if s["kind"] == "finish")
    touch(client, cooking, ("3", "note", {"text": "more"}), ("4", "done", {"step": finish["id"]}))
    [again] = client.get("/api/notebook").json()["entries"]
    assert (again["wet"], again["word"], again["id"]) == (1, "soft and good", entry["id"])
    # and the grain is gone from the bag, once, which is open now
    [left] = client.get("/api/larder").json()
    assert left["grams"] == bag["grams"] - entry["dry_g"] and left["opened"]


def test_pots_that_come_out_dry_teach_the_next_one(cook, neighbour, as_) -> None:
    client = as_(cook)
    first = post(client, "shifts", text=demo("01"), choice={"to": "quinoa"}).json()
    dry_pots(client, 5)
    [lesson] = [x for x in client.get("/api/lessons").json()["lessons"] if x["kind"] == "water_grain"]
    assert "Quinoa takes" in lesson["text"] and "five pots say so" in lesson["text"] and len(lesson["entries"]) == 5
    # what the neighbours said no to is none of ours
    no = {"kind": "water_grain", "subject": "quinoa", "refused": lesson["value"], "catalogue": CATALOGUE}
    Decision.objects.create(household=neighbour.household, **no)
    assert lesson in client.get("/api/lessons").json()["lessons"]
    before = post(client, "shift", text=demo("01"), choice={"to": "quinoa"}).json()["pots"][0]
    post(client, "lessons", kind="water_grain", subject="quinoa", take="accept")
    taught = post(client, "shift", text=demo("01"), choice={"to": "quinoa"}).json()["pots"][0]
    assert taught["water"]["pour_ml"] > before["water"]["pour_ml"] == first["result"]["pots"][0]["water"]["pour_ml"]
    assert [r["term"] for r in taught["ledger"] if r["term"] == "learnt"] == ["learnt"]
    # a kept shift stays as it was
    assert (
        post(client, "shift", text=first["text"], choice=first["choice"]).json()["pots"][0]["water"]
        == first["result"]["pots"][0]["water"]
    )
    held = client.get("/api/lessons").json()
    assert (
        not [x for x in held["lessons"] if x["kind"] == "water_grain"] and held["held"][0]["value"] == lesson["value"]
    )
    post(client, "lessons", kind="water_grain", subject="quinoa", take="reset")
    assert post(client, "shift", text=demo("01"), choice={"to": "quinoa"}).json()["pots"][0]["water"] == before["water"]
    post(client, "lessons", kind="water_grain", subject="quinoa", take="refuse")
    assert not [x for x in client.get("/api/lessons").json()["lessons"] if x["kind"] == "water_grain"]
    assert post(client, "lessons", kind="pot", subject="9", take="accept").status_code == 422


def test_search_filter_pages_and_what_is_the_neighbours(cook, neighbour, as_) -> None:
    client, other = as_(cook), as_(neighbour)
    for n in range(33):
        by_hand(client, dish=f"Pot {n}", note="smoky" if n == 7 else "", grain="quinoa" if n % 2 else "barley-pearl")
    mine = client.get("/api/notebook").json()
    assert (len(mine["entries"]), mine["total"], mine["pages"], mine["grains"]) == (
        30,
        33,
        2,
        ["barley-pearl", "quinoa"],
    )
    assert [e["dish"] for e in client.get("/api/notebook?q=SMOKY").json()["entries"]] == ["Pot 7"]
    assert client.get("/api/notebook?grain=quinoa").json()["total"] == 16
    by_hand(client, dish="of long ago", on="2020-01-01")
    assert client.get("/api/notebook?page=2").json()["entries"][-1]["dish"] == "of long ago"
    one = mine["entries"][0]["id"]
    assert other.get("/api/notebook").json()["total"] == 0
    answers = [
        other.get(f"/api/notebook/{one}"),
        put(other, f"notebook/{one}", wet=2),
        other.delete(f"/api/notebook/{one}"),
        other.get(f"/api/notebook/{one}/photo"),
        other.put(f"/api/notebook/{one}/photo", b"x", content_type="image/jpeg"),
    ]
    assert [a.status_code for a in answers] == [404] * 5


@pytest.mark.parametrize(
    "bad",
    [
        {"dish": ""},
        {"grain": None},
        {"grain": "dust"},
        {"amount": "some"},
        {"wet": 3},
        {"stars": 0},
        {"on": "2999-01-01"},
        {"poured_ml": -4},
        {"taken_min": 9999},
    ],
)
def test_an_entry_that_cannot_be(cook, as_, bad) -> None:
    answer = by_hand(as_(cook), **bad)
    assert answer.status_code == 422 and answer.json()["text"].endswith(".") and Entry.objects.count() == 0


@pytest.mark.parametrize(
    ("field", "low", "high", "step"),
    [
        ("wet", -2, 2, 1),
        ("soft", -2, 2, 1),
        ("stars", 1, 5, 1),
        ("poured_ml", 1, 60000, 0.5),
        ("taken_min", 0.5, 600, 0.25),
    ],
)
def test_what_an_entry_holds_goes_to_its_bounds_and_no_further(cook, as_, field, low, high, step) -> None:
    client = as_(cook)
    one = by_hand(client).json()["id"]
    for value in (low, high):
        assert put(client, f"notebook/{one}", **{field: value}).json()[field] == value
    for value in (low - step, high + step):
        answer = put(client, f"notebook/{one}", **{field: value})
        assert answer.status_code == 422 and answer.json()["where"] == field
    assert client.get(f"/api/notebook/{one}").json()[field] == high


def test_so_many_portions_are_left_and_no_more(cook, as_) -> None:
    client = as_(cook)
    one = post(client, "left", name="cold pilaf", grain="quinoa", portions=2).json()["left"][0]["id"]
    assert put(client, f"left/{one}", place="fridge", portions=40).json()["left"][0]["portions"] == 40
    assert (
        "4 tablespoons" not in (warm := post(client, f"left/{one}/warm").json()["text"])
        and "80 tablespoons water" in warm
    )
    for portions in (41, -1):
        assert put(client, f"left/{one}", place="fridge", portions=portions).json()["where"] == "portions"
    assert put(client, f"left/{one}", place="fridge", portions=0).json()["left"] == []


def test_a_photo_is_made_small_and_bare(cook, as_) -> None:
    client = as_(cook)
    one = by_hand(client).json()["id"]
    exif = Image.Exif()
    exif[0x010E] = "taken at the cook's own address"
    big = io.BytesIO()
    Image.new("RGB", (3000, 2000), "tan").save(big, "JPEG", exif=exif)
    assert client.put(f"/api/notebook/{one}/photo", big.getvalue(), content_type="image/jpeg").status_code == 204
    kept = client.get(f"/api/notebook/{one}/photo")
    with Image.open(io.BytesIO(kept.content)) as seen:
        assert max(seen.size) == 1280 and not seen.getexif() and seen.format == "JPEG"
    assert b"address" not in kept.content and kept["X-Content-Type-Options"] == "nosniff"
    for no_photo in (b"", b"<script>", b"\xff\xd8\xff\xe0 cut short", b"GIF89a" + b"\0" * 40):
        answer = client.put(f"/api/notebook/{one}/photo", no_photo, content_type="image/jpeg")
        assert answer.status_code == 422 and "no photo I can read" in answer.json()["text"]
    assert Photo.objects.count() == 1


def test_the_table_goes_out_and_comes_in_again(cook, neighbour, as_) -> None:
    client, other = as_(cook), as_(neighbour)
    dry_pots(client, 3)
    by_hand(client, dish="=HYPERLINK(1)", word="+good", note='with "quotes", and\na line')
    table = client.get("/api/notebook.csv").content.decode()
    assert "'=HYPERLINK" in table
    assert post(other, "notebook.csv", text=table).json() == {"taken": 4, "problems": []}
    assert sorted(other.get("/api/notebook.csv").content.decode().splitlines()) == sorted(table.splitlines())
    broken = table + "2026-11-31,dish,quinoa,,240,,,,,,,,,\r\n2026-11-20,dish,dust,,240,,,,,,,,,\r\n"
    said = post(other, "notebook.csv", text=broken).json()
    assert said["taken"] == 0 and len(said["problems"]) == 2 and "no date" in said["problems"][0]["text"]
    assert other.get("/api/notebook").json()["total"] == 4
    assert post(other, "notebook.csv", text=broken, keep_rest=True).json()["taken"] == 4
    assert post(other, "notebook.csv", text="a,b\n1,2\n").status_code == 422


def test_the_larder(cook, neighbour, as_) -> None:
    client = as_(cook)
    post(client, "recipes", text=demo("01"))
    made = post(client, "larder", line="500 g foxtail millet best 3/2020 1:2.5 15 min").json()
    assert (made["grain"], made["grams"], made["best_before"], made["label_ratio"]) == (
        "foxtail-millet",
        500,
        "2020-03-31",
        2.5,
    )
    assert "has passed" in made["old"]
    found = client.get(f"/api/larder/{made['id']}/dishes").json()
    [dish] = found["dishes"]
    assert (found["page"], found["pages"], found["of"]) == (1, 1, 1)
    assert dish["enough"] and dish["title"].lower().startswith("tomato pilaf")
    assert put(client, f"larder/{made['id']}", grams=40).json()["grams"] == 40
    assert client.get(f"/api/larder/{made['id']}/dishes").json()["dishes"][0]["enough"] is False
    for line in (
        "foxtail millet",
        "500 g",
        "500 g gravel",
        "500 g quinoa best 31.2.2027",
        "900 kg quinoa",
        "1 kg quinoa opened 2999-01-01",
    ):
        answer = post(client, "larder", line=line)
        assert answer.status_code == 422 and answer.json()["text"].endswith("."), line
    assert put(as_(neighbour), f"larder/{made['id']}", grams=1).status_code == 404
    assert as_(neighbour).get("/api/larder").json() == []


def test_members_come_by_a_link_that_works_once(cook, neighbour, as_) -> None:
    client = as_(cook)
    token = post(client, "members/invite").json()["token"]
    guest = Client()
    assert post(guest, "join", token=token, name="rue", password="short").status_code == 422
    assert post(guest, "join", token=token, name="rue", password=PASSWORD).status_code == 201
    assert guest.get("/api/session").json()["household"] == "Fennel Row"
    assert (
        post(Client(), "join", token=token, name="sly", password=PASSWORD)
        .json()["text"]
        .startswith("This invitation was used")
    )
    rue = User.objects.get(username="rue")
    assert (
        put(client, f"members/{rue.pk}/password", own_password=PASSWORD, password="a-new-kettle-77").status_code == 204
    )
    assert guest.get("/api/recipes").status_code == 401
    assert post(Client(), "session", name="rue", password="a-new-kettle-77").status_code == 200
    other = as_(neighbour)
    assert put(other, f"members/{rue.pk}/password", own_password=PASSWORD, password=PASSWORD).status_code == 404
    assert other.delete(f"/api/members/{rue.pk}").status_code == 404
    assert client.delete(f"/api/members/{rue.pk}").status_code == 204
    assert client.delete(f"/api/members/{cook.pk}").status_code == 422


@pytest.fixture
def full(stove):  # noqa: F811
    """A household with something of everything."""
    client, _asked, cooking = stove
    post(client, "kitchen/pots", name="blue", diameter_cm=20, litres=3.7)
    post(client, "larder", line="1 kg quinoa, best 3/2090")
    serve(client, cooking)
    dry_pots(client, 5)
    one = Entry.objects.first()
    picture = io.BytesIO()
    Image.new("RGB", (40, 30), "tan").save(picture, "PNG")
    client.put(f"/api/notebook/{one.pk}/photo", picture.getvalue(), content_type="image/png")
    for lesson in client.get("/api/lessons").json()["lessons"]:
        post(client, "lessons", kind=lesson["kind"], subject=lesson["subject"], take="accept")
    # a dish without a grain was on the stove too, and the kitchen has learnt from it
    begun = post(
        client, "cookings", **{**_asked, "client_id": "a-side-dish", "dishes": [{"key": f"r{side(client)}"}]}
    ).json()["id"]
    post(client, f"cookings/{begun}/events", events=[{"id": "ended-early", "kind": "ended", "data": {}}])
    note_took(one.household, [("up:electric-pressure", 1.4)] * 3)
    return client


def saved(client: Client) -> list[dict]:
    """The lines of the household's backup."""
    href = post(client, "backup", own_password=PASSWORD).json()["href"]
    return [json.loads(line) for line in b"".join(client.get(href).streaming_content).splitlines()]


def put_back(client: Client, lines, closed: bool = True, replace: bool = False):
    """The answer to a restore of these lines, with the sum they should have (closed), or of a document of the first form."""
    if isinstance(lines, dict):
        raw = json.dumps(lines).encode()
    else:
        held = [x for x in lines if "checksum" not in x] if closed else lines
        raw = b"".join(json.dumps(x).encode() + b"\n" for x in held)
        if closed:
            raw += json.dumps({"checksum": hashlib.sha256(raw).hexdigest()}).encode() + b"\n"
    file = SimpleUploadedFile("saved.jsonl", raw)
    return client.post("/api/restore", {"backup": file, "replace": "true" if replace else "false"})


def bare(lines):
    """Without what differs by right: who and when, and the numbers in the other database."""
    out = []
    for line in lines:
        [(kind, held)] = line.items()
        if kind not in ("head", "member", "checksum"):
            out.append((kind, {k: v for k, v in held.items() if k != "id"}))
    return out


def of(lines, kind):
    return [x[kind] for x in lines if kind in x]


def test_a_backup_restored_elsewhere_is_the_same_backup(full, neighbour, as_) -> None:
    lines, other = saved(full), as_(neighbour)
    assert PASSWORD not in json.dumps(lines) and of(lines, "member") == ["fen"]
    counts = put_back(other, lines).json()["counts"]
    assert counts["entries"] == 6 and counts["cookings"] == 2
    # the dishes of a cooking are found again
    mine = neighbour.household
    there = {str(n) for n in Shift.objects.filter(household=mine).values_list("pk", flat=True)}
    there |= {f"r{n}" for n in Recipe.objects.filter(household=mine, side=True).values_list("pk", flat=True)}
    keys = [d["key"] for c in Cooking.objects.filter(household=mine) for d in c.dishes]
    assert len(keys) >= 2 and set(keys) <= there
    # what both leave out would be alike too
    assert [bool(e["photo"]) for e in of(lines, "entry")].count(True) == 1
    assert len(of(lines, "decision")) == Decision.objects.exclude(household=neighbour.household).count() > 0
    assert bare(saved(other)) == bare(lines)
    # the same screens
    for path in ("notebook", "lessons", "larder", "kitchen", "shifts", "recipes"):
        mine, theirs = (json.dumps(c.get(f"/api/{path}").json()) for c in (full, other))
        assert len(mine) == pytest.approx(len(theirs), abs=60), path
    states = [other.get(f"/api/cookings/{c['id']}").json()["state"] for c in other.get("/api/cookings").json()]
    assert sorted(s["all_done"] for s in states) == [False, True] and all(s["ended"] or s["all_done"] for s in states)
    [side_dish] = [s for s in states if not s["all_done"]]
    assert side_dish["pots"] == [] and side_dish["title"] == "Onions"
    assert other.get("/api/kitchen").json()["took"] == [
        "On the way up to pressure (electric pressure): 1.4 times as long as reckoned."
    ]
    # what is there is not lost without a word
    answer = put_back(other, lines)
    assert answer.status_code == 422 and answer.json()["where"] == "replace"
    assert put_back(other, lines, replace=True).status_code == 200
    assert bare(saved(other)) == bare(lines)


def test_old_addresses_lead_to_what_was_restored_and_to_nobody_elses(full, neighbour, as_) -> None:
    lines, other = saved(full), as_(neighbour)
    old = {kind: [x["id"] for x in of(lines, kind)] for kind in ("recipe", "shift", "cooking", "entry")}
    assert put_back(other, lines).status_code == 200
    assert put_back(full, lines, replace=True).status_code == 200
    for kind, path in (("shift", "shifts"), ("cooking", "cookings"), ("entry", "notebook")):
        rows = other.get(f"/api/{path}").json()
        now = {x["id"] for x in (rows if isinstance(rows, list) else rows.get("entries") or rows.get("rows"))}
        assert now and not now & set(old[kind]), kind
        for client in (full, other):
            for n in old[kind]:
                assert client.get(f"/api/{path}/{n}").status_code == 200, (kind, n)
        theirs = next(iter(now))
        assert full.get(f"/api/{path}/{theirs}").status_code == 404


def test_a_backup_wants_ones_own_password_and_a_link_that_is_young(full, neighbour, as_) -> None:
    assert post(full, "backup", own_password="guessed-it").json()["where"] == "own_password"
    href = post(full, "backup", own_password=PASSWORD).json()["href"]
    assert as_(neighbour).get(href).status_code == 422 and full.get("/api/backup.jsonl?ticket=x").status_code == 422
    assert Client().get(href).status_code == 401
    with mock.patch("time.time", return_value=time.time() + 90):
        assert full.get(href).status_code == 422


def test_a_backup_that_is_none_changes_nothing(full, neighbour, as_) -> None:
    lines, other = saved(full), as_(neighbour)
    head, rest = lines[0]["head"], lines[1:]

    def over(kind, **fields):
        at = next(n for n, x in enumerate(lines) if kind in x)
        return [*lines[:at], {kind: {**lines[at][kind], **fields}}, *lines[at + 1 :]]

    newer = [{"head": {**head, "meal_shift_backup": 9}}, *rest]
    cases = [
        ([], "no backup"),
        ({}, "no backup"),
        ({"meal_shift_backup": "1"}, "no backup"),
        (newer, "update Meal Shift"),
        (rest, "no backup"),
        (over("entry", x=1), "cannot be read at entry"),
        ([x for x in lines if "pot" not in x], "does not hold"),
        (over("household", measure_ml=-5), "household.measure_ml"),
        (over("household", time_zone="Mars"), "household.time_zone"),
        (over("pot", lid="x"), "pot.lid"),
        (over("entry", on="9999-01-01"), "entry.on"),
        (over("bag", grain="dust"), "bag.grain"),
        (over("entry", photo="no picture"), "photo"),
        (over("shift", result={}), "hollow"),
        (over("shift", choice={}), "hollow"),
        (over("cooking", script={}), "hollow"),
        (over("entry", predicted={}), "hollow"),
    ]
    for bad, said in cases:
        answer = put_back(other, bad)
        assert answer.status_code == 422 and answer.json()["text"].endswith(".") and said in answer.json()["text"], said
    changed = [{"head": {**head, "engine": "9"}}, *rest]
    for bad in (changed, lines[:-1], [*lines[:3], *lines[4:]]):
        assert "changed or cut short" in put_back(other, bad, closed=False).json()["text"]
    assert Entry.objects.filter(household=neighbour.household).count() == 0
    assert not Household.objects.filter(name=restoring.ASIDE).exists()


@pytest.mark.parametrize("what", ["a recipe", "a bag"])
def test_what_there_is_is_not_replaced_unasked(full, neighbour, as_, what) -> None:
    lines, other = saved(full), as_(neighbour)
    if what == "a bag":
        Bag.objects.create(household=neighbour.household, grain="quinoa", kind="bag", grams=500, full_g=500)
    else:
        post(other, "recipes", text=demo("01"))
    answer = put_back(other, lines)
    assert answer.status_code == 422 and "would take their place" in answer.json()["text"]
    assert put_back(other, lines, replace=True).status_code == 200


def test_others_write_while_a_backup_is_put_in(full, neighbour, as_, monkeypatch) -> None:
    """Each line a batch of its own, and before each somebody else makes a recipe: its number is taken by none of what is put in."""
    lines, other, theirs = saved(full), as_(neighbour), Household.objects.exclude(pk=neighbour.household.pk).get()
    number, made = restoring._Restored.number, []

    def meanwhile(self) -> None:
        made.append(Recipe.objects.create(household=theirs, title="Meanwhile", text="200 g rice").pk)
        number(self)

    monkeypatch.setattr(restoring, "BATCH_S", 0.0)
    monkeypatch.setattr(restoring._Restored, "number", meanwhile)
    assert put_back(other, lines).status_code == 200
    assert put_back(other, lines, replace=True).status_code == 200
    assert len(made) == 2 * sum("head" not in x and "checksum" not in x for x in lines)
    assert Recipe.objects.filter(household=theirs, title="Meanwhile").count() == len(made)
    assert bare(saved(other)) == bare(lines)
    assert Household.objects.count() == 2, "what was there is thrown away, and nothing stands aside"


def test_what_a_stopped_server_left_of_a_restoring_is_swept(full, neighbour, as_) -> None:
    left, young = (Household.objects.create(name=restoring.ASIDE) for _ in range(2))
    Recipe.objects.create(household=left, title="Half put in", text="200 g rice")
    # a household that is called so, and is somebody's
    neighbour.household.name = restoring.ASIDE
    neighbour.household.save()
    Household.objects.exclude(pk=young.pk).update(created=timezone.now() - timedelta(days=1))
    assert put_back(as_(neighbour), saved(full)).status_code == 200
    assert set(Household.objects.filter(name=restoring.ASIDE)) == {young}
    assert not Recipe.objects.filter(title="Half put in").exists()


def test_a_backup_larger_than_any_recipe_comes_back(full, neighbour, as_) -> None:
    other, lines = as_(neighbour), saved(full)
    at = next(n for n, x in enumerate(lines) if "recipe" in x)
    more = [{"recipe": {**lines[at]["recipe"], "id": None, "text": "x" * 60_000}}] * 160
    lines = [*lines[: at + 1], *more, *lines[at + 1 :]]
    assert len(json.dumps(lines)) > 9_000_000
    assert put_back(other, lines).json()["counts"]["recipes"] == 162
    for page in ("shifts", "notebook", "cookings"):
        assert other.get(f"/api/{page}").status_code == 200


@pytest.mark.parametrize(
    "file", sorted((Path(__file__).parent / "releases").glob("backup-*.json*")), ids=lambda f: f.stem
)
def test_a_backup_of_every_form_opens(cook, as_, file) -> None:
    client = as_(cook)
    with file.open("rb") as opened:
        counts = client.post("/api/restore", {"backup": opened}).json()["counts"]
    assert counts == {"recipes": 1, "shifts": 1, "cookings": 0, "entries": 4, "bags": 1, "pots": 0}
    # what was learnt against an older catalogue is kept, and not reckoned with
    assert client.get("/api/lessons").json()["held"] == [] and Decision.objects.filter(held__isnull=False).exists()
    assert len(client.get("/api/left").json()["left"]) == 1
    assert client.get("/api/week?day=2026-11-24").json()["meals"][0]["title"].lower().startswith("tomato pilaf")


def test_a_backup_of_0_11_opens_with_its_cooking_and_leads_to_the_dish(cook, as_) -> None:
    """Its cookings know their dishes by the shift's number; today's by a key that may be a recipe's."""
    client = as_(cook)
    with (Path(__file__).parent / "releases" / "house-0.11.0.jsonl").open("rb") as opened:
        counts = client.post("/api/restore", {"backup": opened}).json()["counts"]
    assert (counts["shifts"], counts["cookings"]) == (1, 1)
    [kept], [cooking] = client.get("/api/shifts").json(), client.get("/api/cookings").json()
    told = client.get(f"/api/cookings/{cooking['id']}").json()["state"]
    assert (
        [n["text"] for n in told["notes"]] == ["a little smoky"]
        and told["ended"] is not None
        and len(told["pots"]) == 1
    )
    assert client.get(f"/api/cookings/{cooking['id']}/recipes").json()[0]["title"] == kept["title"] == told["title"]
    assert [d["key"] for d in Cooking.objects.get().dishes] == [str(kept["id"])]


def test_the_schema_of_the_backup_is_the_written_one() -> None:
    from .test_process import ROOT

    assert json.loads((ROOT / "docs" / "backup.schema.json").read_text()) == json.loads(
        json.dumps(form.Line.model_json_schema())
    )


def test_deleting_the_household_leaves_nothing_of_it(full, neighbour) -> None:
    assert post(full, "household/delete", own_password=PASSWORD, name="Fennel").status_code == 422
    assert post(full, "household/delete", own_password=PASSWORD, name="Fennel Row").status_code == 204
    assert full.get("/api/recipes").status_code == 401
    assert list(Household.objects.all()) == [neighbour.household]
    assert (
        not User.objects.filter(username="fen").exists()
        and Entry.objects.count() == Decision.objects.count() == Photo.objects.count() == 0
    )


def test_a_copy_of_the_database_is_no_other_file(tmp_path) -> None:
    taken = tmp_path / "there.sqlite3"
    taken.write_text("x")
    with pytest.raises(CommandError, match="there already"):
        call_command("copy_database", str(taken))
    with pytest.raises(CommandError, match="make it first"):
        call_command("copy_database", str(tmp_path / "nowhere" / "x.sqlite3"))


def test_the_practice_pot_is_remembered_by_house(cook, neighbour, as_) -> None:
    client = as_(cook)
    task = client.get("/api/training").json()
    assert task["tries"] == 0 and task["error"] is None
    guess = {k: task[k] for k in ("grain", "dry_ml", "pot_cm", "lid", "texture")}
    told = post(client, "training", **guess, pour_ml=100, minutes=5).json()
    right = post(client, "training", **guess, pour_ml=told["pour_ml"], minutes=told["cook_min"]).json()
    assert right["run"]["verdict"]["code"] == "right" and right["tries"] == 2 and 0 < right["error"] < 0.6
    assert as_(neighbour).get("/api/training").json()["tries"] == 0
    assert post(client, "training", **{**guess, "grain": "dust"}, pour_ml=100, minutes=5).status_code == 422


def test_what_is_left_goes_by_the_clock_of_the_cook(cook, neighbour, as_) -> None:
    client = as_(cook)
    left = post(client, "left?zone=Asia/Kolkata", name="pilaf", grain="quinoa", portions=3).json()["left"][0]
    far = client.get("/api/left?zone=Europe/Lisbon").json()["left"][0]
    # half an hour and more lies between the two clocks, and not a minute between the two moments
    assert left["cool_by"] != far["cool_by"] and left["said"] != far["said"] and left["place"] == "table"
    assert datetime.fromisoformat(left["cool_by"]) == datetime.fromisoformat(far["cool_by"])
    moved = put(client, f"left/{left['id']}", place="fridge", portions=2).json()["left"][0]
    assert moved["portions"] == 2 and "Eat it by" in moved["said"]
    assert "stricter rule" in put(client, "household/rule", days=3).json()["left"][0]["said"]
    assert put(client, "household/rule", days=9).status_code == 422
    assert put(as_(neighbour), f"left/{left['id']}", place="gone").status_code == 404
    assert put(client, f"left/{left['id']}", place="gone").json()["left"] == []
    for bad in ({"portions": 0}, {"grain": "dust"}, {"name": " "}, {"served": "2999-01-01T00:00:00Z"}):
        assert post(client, "left", **{"name": "pilaf", "grain": "quinoa", "portions": 1, **bad}).status_code == 422


def test_an_invitation_ends_by_itself(cook, as_) -> None:
    token = post(as_(cook), "members/invite").json()["token"]
    Invite.objects.update(until=timezone.now() - timedelta(seconds=1))
    assert post(Client(), "join", token=token, name="rue", password=PASSWORD).status_code == 422
    assert not User.objects.filter(username="rue").exists()


def test_a_cooking_that_is_stopped_half_way_writes_no_page(stove) -> None:  # noqa: F811
    client, _asked, cooking = stove
    post(client, "larder", line="500 g foxtail millet")
    first = state(client, cooking)["steps"][0]
    touch(client, cooking, ("a", "done", {"step": first["id"]}), ("b", "ended", {}))
    assert client.get("/api/cookings").json()[0]["ended"] is not None
    assert client.get("/api/notebook").json()["total"] == 0 and client.get("/api/larder").json()[0]["grams"] == 500


def test_a_cooked_blend_is_no_end_of_lessons(cook, as_) -> None:
    client = as_(cook)
    blend = [{"grain": "rice-white-long", "share": 0.67}, {"grain": "foxtail-millet", "share": 0.33}]
    shift = post(client, "shifts", text=demo("01"), choice={"to": "rice-white-long", "blend": blend}).json()["id"]
    assert by_hand(client, shift_id=shift, dish="").status_code == 201
    dry_pots(client, 5)
    assert client.get("/api/lessons").status_code == 200


def test_a_meal_whose_bag_is_off_the_list_can_be_written_down(cook, as_) -> None:
    client = as_(cook)
    bag = post(client, "larder", line="1 kg quinoa, best 3/2090").json()
    shift = post(client, "shifts", text=demo("01"), choice={"to": "quinoa", "bag_id": bag["id"]}).json()["id"]
    assert client.delete(f"/api/larder/{bag['id']}").status_code == 204
    assert by_hand(client, shift_id=shift).status_code == 201


def test_what_was_warm_too_long_is_over_in_the_fridge_too(cook, as_) -> None:
    client = as_(cook)
    late = (timezone.now() - timedelta(hours=6)).isoformat()
    left = post(client, "left", name="pilaf", grain="quinoa", portions=2, served=late).json()["left"][0]
    for place in ("fridge", "freezer"):
        moved = put(client, f"left/{left['id']}", place=place).json()["left"][0]
        assert moved["over"] and "throw it away" in moved["said"]
    assert put(client, f"left/{left['id']}", place="gone").json()["left"] == []


def test_of_two_who_remove_each_other_one_stays(cook) -> None:
    other = User.objects.create(username="sorrel", household=cook.household)
    actions.remove_member(other)
    with pytest.raises(Refusal, match="last member"):
        actions.remove_member(cook)


def test_today_is_the_households_own_day(cook, as_, monkeypatch) -> None:
    """At eight in the evening in Greenwich it is tomorrow morning in Auckland: there a bag opened today is opened today."""
    client = as_(cook)
    Household.objects.filter(pk=cook.household_id).update(time_zone="Pacific/Auckland")
    monkeypatch.setattr("django.utils.timezone.now", lambda: datetime(2026, 11, 25, 20, 0, tzinfo=UTC))
    bag = post(client, "larder", line="500 g quinoa, opened today").json()
    assert bag["opened"] == "2026-11-26"
    assert client.get("/api/week").json()["today"] == "2026-11-26"
    assert (
        by_hand(client, on="2026-11-26").status_code in (200, 201)
        and by_hand(client, on="2026-11-27").status_code == 422
    )


def test_a_session_is_listed_and_ended_from_another_device(cook, neighbour, as_) -> None:
    phone = {"HTTP_USER_AGENT": "Mozilla/5.0 (Android 14; Mobile; rv:130.0) Gecko/130.0 Firefox/130.0"}
    laptop, other = as_(cook), as_(neighbour)
    away = Client(**phone)
    signed = away.post("/api/session", json.dumps({"name": "fen", "password": PASSWORD}), content_type=JSON)
    assert signed.status_code == 200
    laptop.get("/api/session")
    listed = {x["device"]: x for x in laptop.get("/api/sessions").json()}
    assert (
        set(listed) == {"Firefox on Android", "a browser"}
        and listed["a browser"]["here"]
        and not listed["Firefox on Android"]["here"]
    )
    assert all(x["device"] != "Firefox on Android" for x in other.get("/api/sessions").json())
    assert laptop.delete(f"/api/sessions/{listed['Firefox on Android']['id']}").status_code == 204
    assert away.get("/api/members").status_code == 401 and laptop.get("/api/members").status_code == 200
    # a new password is a new key of the same session: it stays the one listed here
    mine = next(m["id"] for m in laptop.get("/api/members").json() if m["me"])
    put(laptop, f"members/{mine}/password", own_password=PASSWORD, password="eleven-ladles-stir")
    assert [x["here"] for x in laptop.get("/api/sessions").json()] == [True]


@pytest.mark.django_db
def test_a_name_has_up_to_sixty_letters() -> None:
    assert actions.found_household("Gate Cottage", "w" * 60, PASSWORD).username == "w" * 60
    with pytest.raises(Refusal):
        actions.found_household("Mill Cottage", "w" * 61, PASSWORD)


def test_numbers_are_said_as_the_household_has_them_everywhere(cook, as_) -> None:
    client = as_(cook)
    told = put(client, "household/manner", amounts="cups", heat="F", clock=12)
    assert told.status_code == 200 and told.json()["manner"] == {"amounts": "cups", "heat": "F", "clock": 12}
    made = post(client, "shift", text=demo("01"), choice={"to": "quinoa"}).json()
    assert made["pots"][0]["water"]["pour_said"]["unit"] == "cup"
    assert any("140 °F" in c["text"] for c in made["cautions"]) and "1 tin (14 oz) chickpeas" in str(
        made["ingredients"]
    )
    post(client, "left", name="pilaf", grain="quinoa", portions=2)
    assert " pm" in (left := client.get("/api/left").json()["left"][0]["said"]) or " am" in left
    post(client, "shifts", text=demo("01"), choice={"to": "quinoa"})
    assert re.fullmatch(r"\d[\d¼½¾⅓⅔]* cups(?: plus \d tbsp)?", client.get("/api/shifts").json()[0]["pour_said"])
    page = post(client, "notebook", dish="Pot", grain="quinoa", amount="250 ml", poured_ml=474).json()
    assert (page["poured_said"], page["top_ups_said"]) == ("2 cups", "") and page["dry_said"] == "1 cup plus 1 tbsp"
    # it travels with the household, and one that cannot be is refused at its field
    assert saved(client)[1]["household"]["amounts"] == "cups"
    assert put(client, "household/manner", amounts="bushels").json()["where"] == "amounts"
    assert Household.objects.get().manner.amounts == "cups"
