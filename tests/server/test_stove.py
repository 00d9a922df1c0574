"""The kitchen, the plan's kitchen, and cookings through HTTP."""

from __future__ import annotations

import json
from datetime import timedelta

import pytest
from django.test import Client
from django.utils import timezone

from mealshift_server.plans.models import Cooking, Event
from tests.core.kitchen import demo

from .test_api import JSON, post

KITCHEN = {
    "burners": [1200, 1800],
    "oven_places": 2,
    "rice_cooker": False,
    "pressure_cooker": True,
    "electric_pressure": False,
    "microwave_w": None,
    "whistle_min": 2.5,
    "altitude_m": 0,
    "room_c": 20,
    "jar_ml": 400,
    "time_zone": "Europe/Lisbon",
}


def put(client: Client, path: str, **data):
    return client.put(f"/api/{path}", json.dumps(data), content_type=JSON)


@pytest.fixture
def stove(cook, as_):
    """A signed-in cook with a kept pilaf, and a cooking of it that has just begun."""
    client = as_(cook)
    shift = post(client, "shifts", text=demo("01"), choice={"to": "foxtail-millet"}).json()["id"]
    asked = {
        "client_id": "first-start",
        "dishes": [{"key": str(shift)}],
        "zone": "Europe/Lisbon",
        "serve_at": (timezone.now() + timedelta(minutes=70)).isoformat(),
    }
    started = post(client, "cookings", **asked)
    assert started.status_code == 201, started.content
    return client, asked, started.json()["id"]


def state(client: Client, cooking: int):
    return client.get(f"/api/cookings/{cooking}").json()["state"]


def touch(client: Client, cooking: int, *events):
    return post(
        client,
        f"cookings/{cooking}/events",
        events=[{"id": f"touch-{i}-{n}", "kind": k, "data": d} for i, (n, k, d) in enumerate(events)],
    )


def test_the_kitchen_is_the_households_own_and_is_cooked_with(cook, neighbour, as_) -> None:
    client = as_(cook)
    assert client.get("/api/kitchen").json()["said"] is False
    assert put(client, "kitchen", **KITCHEN).json()["time_zone"] == "Europe/Lisbon"
    made = post(client, "kitchen/pots", name="the wide pan", diameter_cm=26, litres=4.2, lid="ordinary").json()
    usual = post(client, "shift", text=demo("01"), choice={"to": "barley-pearl"}).json()["pots"][0]
    found = post(
        client,
        f"kitchen/pots/{made['id']}/boil-off",
        before_ml=1500,
        after_ml=1220,
        minutes=20,
        lid="ordinary",
        keep=True,
    ).json()
    assert found["factor"] > 1.3 and found["pot"]["boil_off"] == pytest.approx(found["factor"], abs=0.001)
    taught = post(client, "shift", text=demo("01"), choice={"to": "barley-pearl"}).json()["pots"][0]
    # the recipe was written for this pot too: what counts is the longer simmer
    assert taught["water"]["pour_ml"] > usual["water"]["pour_ml"]
    # another width makes the test void
    assert (
        put(
            client, f"kitchen/pots/{made['id']}", name="the wide pan", diameter_cm=28, litres=4.2, lid="ordinary"
        ).json()["boil_off"]
        == 1
    )
    other = as_(neighbour)
    assert other.get("/api/kitchen").json()["pots"] == []
    for answer in (
        put(other, f"kitchen/pots/{made['id']}", name="x", diameter_cm=20),
        other.delete(f"/api/kitchen/pots/{made['id']}"),
        post(other, f"kitchen/pots/{made['id']}/boil-off", before_ml=1000, after_ml=900, minutes=10, lid="open"),
    ):
        assert answer.status_code == 404


@pytest.mark.parametrize(
    ("path", "data"),
    [
        ("kitchen", {**KITCHEN, "burners": []}),
        ("kitchen", {**KITCHEN, "burners": [10]}),
        ("kitchen", {**KITCHEN, "altitude_m": 9000}),
        ("kitchen", {**KITCHEN, "time_zone": "Atlantis/Old_Town"}),
        ("kitchen/pots", {"name": " ", "diameter_cm": 20}),
        ("kitchen/pots", {"name": "thimble", "diameter_cm": 3}),
        ("kitchen/pots", {"name": "cup", "diameter_cm": 20, "litres": 0.1}),
    ],
)
def test_a_kitchen_that_cannot_be(cook, as_, path, data) -> None:
    send = put if path == "kitchen" else post
    answer = send(as_(cook), path, **data)
    assert answer.status_code == 422 and answer.json()["text"].endswith(".") and answer.json()["where"]


def test_a_kept_shift_stays_as_it_was_when_the_pot_is_tested(cook, as_) -> None:
    client = as_(cook)
    pot = post(client, "kitchen/pots", name="blue", diameter_cm=20, litres=3.7).json()["id"]
    kept = post(client, "shifts", text=demo("01"), choice={"to": "quinoa"}).json()
    post(client, f"kitchen/pots/{pot}/boil-off", before_ml=1000, after_ml=900, minutes=20, lid="ordinary", keep=True)
    again = post(client, "shift", text=kept["text"], choice=kept["choice"]).json()
    assert again["pots"][0]["water"] == kept["result"]["pots"][0]["water"]


def test_events_are_taken_once_and_the_state_is_everybodys(stove) -> None:
    client, asked, cooking = stove
    first = state(client, cooking)["steps"][0]
    sent = [("a", "done", {"step": first["id"]}), ("b", "note", {"text": "a little smoky"})]
    assert touch(client, cooking, *sent).json()["new"] == 2
    assert touch(client, cooking, *sent).json()["new"] == 0
    now = client.get(f"/api/cookings/{cooking}").json()
    assert now["state"]["steps"][0]["status"] == "done" and now["state"]["notes"][0]["text"] == "a little smoky"
    assert client.get(f"/api/cookings/{cooking}?since={now['last']}").json()["state"] is None
    # opened twice: the same dinner, not a second one
    assert post(client, "cookings", **asked).json()["id"] == cooking
    again = post(client, "cookings", **{**asked, "client_id": "other-device"})
    assert (again.status_code, again.json()["id"]) == (200, cooking)
    # an older clock: what happened five minutes ago did happen then
    post(
        client,
        f"cookings/{cooking}/events",
        events=[{"id": "late-touch", "kind": "note", "data": {"text": "x"}, "ago_ms": 300_000}],
    )
    assert Event.objects.get(client_id="late-touch").minute == 0


def test_a_cooking_is_over_when_all_is_on_the_table_and_not_if_that_was_a_slip(stove) -> None:
    client, _asked, cooking = stove
    finish = next(s for s in state(client, cooking)["steps"] if s["kind"] == "finish")
    touch(
        client,
        cooking,
        ("f", "done", {"step": finish["id"]}),
        *(
            (str(n), "done", {"step": s["id"]})
            for n, s in enumerate(state(client, cooking)["steps"])
            if s["style"] == "remind"
        ),
    )
    assert Cooking.objects.get().ended is not None
    slip = Event.objects.filter(data__step=finish["id"]).get().client_id
    touch(client, cooking, ("u", "undo", {"event": slip}))
    assert Cooking.objects.get().ended is None


CARROTS = """Roast carrots
Serves 5

1 kg carrots, cut in sticks
2 tbsp oil
1 lemon

1. Heat the oven to 210 °C.
2. Toss the carrots with the oil on a tray.
3. Roast for 35 minutes, turning once after 20 minutes.
4. Squeeze the lemon over and serve.
"""


def test_a_dish_without_a_grain_is_planned_cooked_and_restored_beside_the_others(stove, neighbour, as_) -> None:
    client, asked, _ = stove
    kept = post(client, "recipes", text=CARROTS).json()
    key = f"r{kept['id']}"
    assert (
        kept["side"] and not post(client, "recipes", text="200 g rice\n400 ml water\nSimmer 15 minutes.").json()["side"]
    )
    both = {**asked, "client_id": "with-carrots", "dishes": [*asked["dishes"], {"key": key}]}
    planned = post(client, "plan", **{k: both[k] for k in ("dishes", "serve_at", "zone")}).json()
    assert {t["key"] for t in planned["tasks"]} == {asked["dishes"][0]["key"], key}
    cooking = post(client, "cookings", **both).json()["id"]
    told = state(client, cooking)
    mine = [s for s in told["steps"] if s["dish"] == "Roast carrots"]
    assert [s["kind"] for s in mine][-2:] == ["finish", "keep"] and len(told["pots"]) == 1
    roast = next(s for s in mine if s["title"].startswith("Roast for 35"))
    assert any(s["anchor"] == roast["id"] and s["offset"] == 20 for s in mine)
    [_, carrots] = sorted(
        client.get(f"/api/cookings/{cooking}/recipes").json(), key=lambda d: d["title"] == "Roast carrots"
    )
    assert carrots["ingredients"][0]["text"] == "1 kg carrots, cut in sticks"
    # a neighbour's plan cannot hold it, nor one that has a grain to shift
    assert post(as_(neighbour), "plan", **{**planned_of(both), "dishes": [{"key": key}]}).status_code == 404
    for odd in ("r0", "r-1", "x", "", "r99999999999999999999", f"r{10**17}"):
        assert post(client, "plan", **{**planned_of(both), "dishes": [{"key": odd}]}).status_code in (404, 422)


def planned_of(asked: dict) -> dict:
    return {k: asked[k] for k in ("dishes", "serve_at", "zone")}


def test_the_plan_and_the_draft_are_the_households(stove, neighbour, as_) -> None:
    client, asked, _ = stove
    key = asked["dishes"][0]["key"]
    assert client.get("/api/tonight").json() == {"version": 0, "plan": None, "by": ""}
    serve_at = (timezone.now() + timedelta(hours=2)).isoformat()
    plan = {
        "dishes": [{"key": key, "changes": {"to": "quinoa"}, "text": "With quinoa"}],
        "serve_at": serve_at,
        "burners": 3,
    }
    assert put(client, "tonight", version=0, plan=plan).json()["version"] == 1
    # the other device's change was made on what it saw: not written over, and said
    late = put(client, "tonight", version=0, plan={**plan, "dishes": []})
    assert late.status_code == 409 and "meanwhile" in late.json()["text"]
    seen = client.get("/api/tonight").json()
    assert seen["version"] == 1 and seen["plan"]["dishes"][0]["changes"] == {"to": "quinoa"} and seen["by"] == "fen"
    # a dish that is gone is not in it; a dinner that is over is none
    client.delete(f"/api/shifts/{key}")
    assert client.get("/api/tonight").json()["plan"]["dishes"] == []
    past = (timezone.now() - timedelta(hours=4)).isoformat()
    assert put(client, "tonight", version=1, plan={**plan, "serve_at": past}).json() == {
        "version": 2,
        "plan": None,
        "by": "fen",
    }

    assert client.get("/api/draft").json()["text"] == ""
    draft = {
        "text": CARROTS,
        "corrections": [{"line": "1 lemon", "role": "after"}],
        "choice": {"to": "quinoa"},
        "recipe_id": 10**9,
    }
    put(client, "draft", **draft)
    got = client.get("/api/draft").json()
    assert (got["text"], got["choice"]["to"], got["recipe_id"], got["by"]) == (CARROTS, "quinoa", None, "fen")
    other = as_(neighbour)
    assert other.get("/api/draft").json()["text"] == "" and other.get("/api/tonight").json()["version"] == 0


def test_a_neighbour_sees_and_touches_nothing(stove, neighbour, as_) -> None:
    client, _asked, cooking = stove
    pot = state(client, cooking)["pots"][0]["key"]
    other = as_(neighbour)
    assert other.get("/api/cookings").json() == []
    answers = [
        other.get(f"/api/cookings/{cooking}"),
        touch(other, cooking, ("a", "note", {"text": "x"})),
        put(other, f"cookings/{cooking}/alone", alone=True),
        post(other, f"cookings/{cooking}/stand-in", id="stand-00001", pot=pot, kind="scale"),
    ]
    assert [a.status_code for a in answers] == [404] * 4
    assert Event.objects.count() == 0


def test_a_bad_touch_is_named_and_takes_no_other_with_it(stove) -> None:
    client, asked, cooking = stove
    for n, (kind, data) in enumerate(
        (
            ("done", {"step": "no such"}),
            ("poured", {"pot": "x", "ml": 5}),
            ("jump", {}),
            ("note", {"text": ""}),
        ),
        1,
    ):
        answer = touch(client, cooking, (f"a{n}", "note", {"text": "fine"}), ("b", kind, data)).json()
        [refused] = answer["refused"]
        assert answer["new"] == 1 and refused["text"].endswith(".") and refused["id"] == "touch-1-b"
        assert Event.objects.count() == n
    past = (timezone.now() - timedelta(minutes=5)).isoformat()
    for change in ({"serve_at": past}, {"burners": 0}, {"speed": 7}, {"dishes": []}):
        answer = post(client, "cookings", **{**asked, "client_id": "another-one", **change})
        assert answer.status_code == 422 and answer.json()["text"].endswith(".")


def test_what_went_wrong_and_the_stand_ins(stove) -> None:
    client, _asked, cooking = stove
    pot = state(client, cooking)["pots"][0]["key"]
    early = post(client, f"cookings/{cooking}/stand-in", id="stand-00001", pot=pot, kind="scale")
    assert early.status_code == 422 and "No pot is on yet" in early.json()["text"]
    boil = next(s for s in state(client, cooking)["steps"] if s["kind"] == "boil")
    touch(client, cooking, ("a", "done", {"step": boil["id"]}))
    touch(client, cooking, ("w", "wrong", {"pot": pot, "what": "dry_hard"}))
    told = state(client, cooking)
    mend = next(w["mends"][0] for w in told["pots"][0]["wrongs"] if w["code"] == "dry_hard")
    assert mend["add_ml"] >= 20 and f"{mend['add_ml']} ml" in mend["text"]
    assert [e["text"] for e in told["events"]][-1].endswith(": dry and still hard")
    assert post(client, f"cookings/{cooking}/stand-in", id="stand-00002", pot=pot, kind="scale").status_code == 200
    assert "as reckoned" in state(client, cooking)["pots"][0]["scale"]


def test_a_device_has_a_key_and_sees_only_its_house(stove, neighbour, as_) -> None:
    client, _asked, cooking = stove
    made = post(client, "kitchen/devices", name="the scale", kind="scale").json()
    assert made["key"] not in json.dumps(client.get("/api/kitchen").json())
    device, key = Client(), {"HTTP_AUTHORIZATION": f"Bearer {made['key']}"}
    assert device.get("/api/device/cooking").status_code == 401
    assert device.get("/api/device/cooking", HTTP_AUTHORIZATION="Bearer guess").status_code == 401
    boil = next(s for s in state(client, cooking)["steps"] if s["kind"] == "boil")
    touch(client, cooking, ("a", "done", {"step": boil["id"]}))
    [pot] = device.get("/api/device/cooking", **key).json()["pots"]
    body = json.dumps({"id": "reading-01", "value": pot["simulated"] - 80, "pot": pot["pot"]})
    for _ in range(2):
        assert device.post("/api/device/readings", body, content_type=JSON, **key).status_code == 200
    assert Event.objects.filter(kind="weighed").count() == 1
    assert "80 ml less than reckoned" in state(client, cooking)["pots"][0]["scale"]
    theirs = post(as_(neighbour), "kitchen/devices", name="scale", kind="scale").json()["key"]
    assert device.get("/api/device/cooking", HTTP_AUTHORIZATION=f"Bearer {theirs}").status_code == 404
    client.delete(f"/api/kitchen/devices/{made['id']}")
    assert device.get("/api/device/cooking", **key).status_code == 401


def test_a_cooking_teaches_the_kitchen_how_long_things_take_and_a_practice_does_not(stove) -> None:
    client, asked, _ = stove
    for n, speed in enumerate((60, 1, 1, 1)):
        cooking = post(
            client,
            "cookings",
            **{**asked, "client_id": f"evening-{n}", "dishes": [{"key": f"r{side(client)}"}], "speed": speed},
        ).json()["id"]
        begun, soften = state(client, cooking), "Soften the onions"
        step = next(s for s in begun["steps"] if s["title"].startswith(soften))
        before = step["planned"] - begun["minute"]
        events = [
            {"id": f"begun-{n}-000", "kind": "begun", "data": {"step": step["id"]}, "ago_ms": 11 * 60_000},
            {"id": f"done-{n}-0000", "kind": "done", "data": {"step": step["id"]}},
        ]
        Cooking.objects.filter(pk=cooking).update(began=timezone.now() - timedelta(minutes=40 + before))
        touch_all = [
            {"id": f"all-{n}-{i:04}", "kind": "done", "data": {"step": s["id"]}}
            for i, s in enumerate(begun["steps"])
            if s["kind"] == "finish" or s["anchor"]
        ]
        assert post(client, f"cookings/{cooking}/events", events=events).json()["refused"] == []
        post(client, f"cookings/{cooking}/events", events=touch_all)
        assert Cooking.objects.get(pk=cooking).ended is not None
    assert client.get("/api/kitchen").json()["took"] == ["Work without minutes, “until soft or golden”: 11 minutes."]
    assert client.delete("/api/kitchen/took").json()["took"] == []


def side(client: Client) -> int:
    text = "Onions\n\n4 onions\n2 tbsp oil\n\n1. Soften the onions in the oil until soft.\n2. Salt them and serve.\n"
    return int(post(client, "recipes", text=text).json()["id"])
