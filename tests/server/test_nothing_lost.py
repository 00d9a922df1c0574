"""Who comes in, what a fault says, and that touches keep their order whatever the clocks say."""

from __future__ import annotations

import re
from typing import Any

import pytest
from axes.models import AccessAttempt
from django.contrib.sessions.models import Session
from django.core.cache import cache
from django.core.management import call_command
from django.db import OperationalError, connection
from django.test import Client

from mealshift.learning import CATALOGUE
from mealshift_server.households.models import Household, User
from mealshift_server.plans.models import Event
from mealshift_server.taught.queries import held

from .conftest import PASSWORD
from .test_api import post
from .test_stove import put, state, stove  # noqa: F401


def sign_up(client: Client, name: str = "fen", password: str = PASSWORD) -> Any:
    return post(client, "households", household="Fennel Row", name=name, password=password, zone="Europe/Lisbon")


def test_a_server_keeps_one_household_unless_it_is_opened(db: Any, settings: Any) -> None:
    settings.OPEN_TO_ALL = False
    client = Client()
    first = client.get("/api/session").json()
    assert first["empty"] and first["may_found"]
    assert sign_up(client).status_code == 201
    later = Client().get("/api/session").json()
    assert not later["empty"] and not later["may_found"]
    refused = sign_up(Client(), "thistle")
    assert refused.status_code == 422 and "invitation" in refused.json()["text"]
    assert Household.objects.count() == 1


def test_tries_from_one_address_are_bounded_whatever_the_name(cook: User, settings: Any) -> None:
    settings.DOOR_RATE = "3/h"
    cache.clear()
    client = Client()
    said = [post(client, "session", name=f"name-{n}", password="not-this-one-9").status_code for n in range(5)]
    assert said[:3] == [422, 422, 422] and said[3:] == [429, 429]
    assert post(client, "session", name="fen", password=PASSWORD).json()["text"].startswith("Too many tries")
    cache.clear()


@pytest.mark.parametrize("password", [" " * 12, "aaaaaaaaaaaa", "mealshift12345"[:14], "Meal Shift 1"])
def test_a_password_anybody_would_try(db: Any, password: str) -> None:
    answer = sign_up(Client(), password=password)
    assert answer.status_code == 422 and answer.json()["where"] == "password"


def test_what_cannot_be_taken_back_asks_for_ones_own_password(cook: User, as_: Any) -> None:
    client = as_(cook)
    other = Client()
    assert post(other, "session", name="fen", password="wrong-one-12").status_code == 422
    assert post(other, "session", name="fen", password=PASSWORD).status_code == 200
    wrong = put(client, f"members/{cook.pk}/password", own_password="not-mine-11", password="a-new-kettle-77")
    assert wrong.status_code == 422 and wrong.json()["where"] == "own_password"
    wrong = post(client, "household/delete", own_password="not-mine-11", name="Fennel Row")
    assert wrong.status_code == 422 and Household.objects.exists()
    assert post(client, "household/delete", own_password=PASSWORD, name="Fennel Row").status_code == 204
    # nothing of it stays: no session on another device, no name at the door
    assert other.get("/api/recipes").status_code == 401
    assert not any(s.get_decoded().get("_auth_user_id") for s in Session.objects.all())
    assert not AccessAttempt.objects.filter(username="fen").exists()


def test_answers_are_kept_by_nobody(cook: User, as_: Any, built: Any) -> None:
    client = as_(cook)
    assert client.get("/api/recipes")["Cache-Control"] == "no-store"
    href = post(client, "backup", own_password=PASSWORD).json()["href"]
    assert client.get(href)["Cache-Control"] == "no-store"
    assert "default-src 'none'" in client.get("/")["Content-Security-Policy"]


@pytest.mark.parametrize(
    ("fault", "word"),
    [
        ("database is locked", "writing"),
        ("database or disk is full", "full"),
        ("attempt to write a readonly database", "written"),
    ],
)
def test_a_store_that_fails_is_a_sentence_and_a_number_in_the_log(
    cook: User, as_: Any, monkeypatch: Any, caplog: Any, fault: str, word: str
) -> None:
    def fails(*_: Any, **__: Any) -> None:
        raise OperationalError(fault)

    monkeypatch.setattr("mealshift_server.recipes.actions.keep_recipe", fails)
    answer = post(as_(cook), "recipes", text="Pot\n1 cup rice\n2 cups water\n1. Boil 15 minutes.")
    assert answer.status_code == 503 and answer.json()["code"] == "store" and word in answer.json()["text"]
    number = re.search(r"number (\w+)", answer.json()["text"])
    assert number and number[1] in caplog.text


def send(client: Client, cooking: int, *events: tuple[str, str, dict[str, Any], float]) -> Any:
    made = [{"id": i, "kind": kind, "data": data, "ago_ms": ago} for i, kind, data, ago in events]
    return post(client, f"cookings/{cooking}/events", events=made)


def test_touches_keep_their_order_whatever_the_clock(stove: Any) -> None:  # noqa: F811
    client, _, cooking = stove
    # the device's clock was set back between two touches: the second says it is older than the first
    send(
        client, cooking, ("first-touch", "note", {"text": "one"}, 0), ("second-touch", "note", {"text": "two"}, 600_000)
    )
    assert [n["text"] for n in state(client, cooking)["notes"]] == ["one", "two"]
    at = dict(Event.objects.filter(cooking_id=cooking).values_list("client_id", "minute"))
    assert at["second-touch"] >= at["first-touch"]
    # the server's own clock was set back: what happens now is no earlier than what is written down
    Event.objects.filter(cooking_id=cooking).update(minute=30)
    send(client, cooking, ("third-touch", "note", {"text": "three"}, 0))
    assert Event.objects.get(client_id="third-touch").minute >= 30


def test_any_touch_can_be_taken_back_however_long_its_name(stove: Any) -> None:  # noqa: F811
    client, _, cooking = stove
    long = "x" * 150
    send(client, cooking, (long, "note", {"text": "a slip"}, 0))
    assert state(client, cooking)["notes"]
    send(client, cooking, ("taken-back", "undo", {"event": long}, 0))
    assert not state(client, cooking)["notes"]


@pytest.mark.django_db(transaction=True)
def test_what_was_accepted_before_rooms_were_cut_still_holds() -> None:
    """0.9.0 kept decisions in the notebook's own migrations; the table is the same one."""
    call_command("migrate", "notebook", "0002", verbosity=0)
    house = Household.objects.create(name="Fennel Row")
    with connection.cursor() as sql:
        sql.execute(
            "INSERT INTO notebook_decision (household_id, kind, subject, held, text, entries, catalogue, decided) VALUES (%s, 'water', 'quinoa', 1.1, '', '[]', %s, '2026-11-25')",
            [house.pk, CATALOGUE],
        )
    call_command("migrate", verbosity=0)
    assert held(house) == {("water", "quinoa"): 1.1}
