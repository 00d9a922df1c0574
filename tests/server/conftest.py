from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.hashers import make_password
from django.test import Client

from mealshift_server import page
from mealshift_server.households.models import Household, User

PASSWORD = "a-warm-kitchen-41"


@pytest.fixture(autouse=True)
def open_door(settings: Any) -> None:
    """The tests found several households and knock often; what is closed by default is tested by name."""
    settings.OPEN_TO_ALL = True
    settings.DOOR_RATE = "100000/h"


@pytest.fixture(scope="session")
def hashed() -> str:
    """One honest hash for all the tests: making it is meant to be slow."""
    return make_password(PASSWORD)


def _member(house: str, name: str, hashed: str) -> User:
    return User.objects.create(username=name, password=hashed, household=Household.objects.create(name=house))


@pytest.fixture
def cook(db: Any, hashed: str) -> User:
    return _member("Fennel Row", "fen", hashed)


@pytest.fixture
def neighbour(db: Any, hashed: str) -> User:
    return _member("Thistle House", "thistle", hashed)


@pytest.fixture
def built(settings: Any, tmp_path: Path) -> Any:
    """A stand-in for the built front end."""
    (tmp_path / "index.html").write_text("<!doctype html><title>Meal Shift</title>")
    settings.WEB_DIST = tmp_path
    page._index.cache_clear()
    yield tmp_path
    page._index.cache_clear()


@pytest.fixture
def as_(db: Any) -> Callable[[User], Client]:
    def signed_in(user: User) -> Client:
        client = Client()
        client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
        return client

    return signed_in
