"""The doors of accounts, members and the household itself."""

from __future__ import annotations

from typing import Any, cast

from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.shortcuts import get_object_or_404
from ninja import Router, Status
from ninja.throttling import BaseThrottle

from mealshift.manner import Manner
from mealshift.problems import Refusal
from mealshift_server.base.answers import BAD, MISSING
from mealshift_server.base.doors import PerAddress, guard
from mealshift_server.base.schemas import Trouble

from . import actions, demo, queries, signed_in
from . import schemas as s
from .models import User
from .scope import house

router = Router(tags=["household"])


# all tries at the doors that need no session, together
DOOR: list[BaseThrottle] = [PerAddress("door", "DOOR_RATE")]


def _session(request: HttpRequest) -> dict[str, Any]:
    get_token(request)
    user = request.user
    if not user.is_authenticated:
        return queries.nobody_shown(demo.may_open(request))
    signed_in.seen(request, user)
    return queries.session_shown(user, house(request), demo.may_open(request))


@router.get("/session", response=s.SessionOut, auth=None, tags=["session"])
def session(request: HttpRequest) -> Any:
    return _session(request)


@router.post(
    "/session",
    response={200: s.SessionOut, 403: Trouble, 429: Trouble, **BAD},
    auth=None,
    tags=["session"],
    throttle=DOOR,
)
def sign_in(request: HttpRequest, data: s.SignIn) -> Any:
    guard(request)
    user = authenticate(request, username=data.name.strip(), password=data.password)
    if user is None:
        raise Refusal("sign_in", "password", "That name and password do not fit together: check both and try again.")
    login(request, user)
    request.session.pop("left_demo", None)
    return _session(request)


@router.delete("/session", response={200: s.SessionOut, 403: Trouble}, auth=None, tags=["session"])
def sign_out(request: HttpRequest) -> Any:
    guard(request)
    logout(request)
    request.session["left_demo"] = True
    return _session(request)


@router.post(
    "/households",
    response={201: s.SessionOut, 403: Trouble, 429: Trouble, **BAD},
    auth=None,
    tags=["session"],
    throttle=DOOR,
)
def sign_up(request: HttpRequest, data: s.SignUp) -> Any:
    guard(request)
    user = actions.found_household(
        data.household, data.name, data.password, data.zone, _manner(data.manner) if data.manner else None
    )
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return Status(201, _session(request))


@router.put("/household/measure", response={200: s.SessionOut, **BAD}, tags=["session"])
def set_measure(request: HttpRequest, data: s.MeasureIn) -> Any:
    actions.set_measure(house(request), data.measure_name, data.measure_ml, data.cup_ml)
    return _session(request)


def _manner(data: s.MannerShown) -> Manner:
    return Manner(data.amounts, data.heat, data.clock)


@router.put("/household/manner", response={200: s.SessionOut, **BAD}, tags=["session"])
def set_manner(request: HttpRequest, data: s.MannerShown) -> Any:
    """Cups or grams, °C or °F, 24 hours or 12: every number of the household is said so from now on."""
    actions.set_manner(house(request), _manner(data))
    return _session(request)


@router.get("/members", response={200: list[s.MemberRow], 401: Trouble})
def members(request: HttpRequest) -> Any:
    return [
        {"id": u.pk, "name": u.username, "me": u.pk == request.user.pk, "last_seen": u.last_login}
        for u in queries.members(house(request))
    ]


@router.post("/members/invite", response={201: s.InviteOut, **BAD})
def invite(request: HttpRequest) -> Any:
    token, until = actions.invite(house(request))
    return Status(201, {"token": token, "until": until})


@router.post("/join", response={201: None, 403: Trouble, 429: Trouble, **BAD}, auth=None, throttle=DOOR)
def join(request: HttpRequest, data: s.JoinIn) -> Any:
    """A new member by an invitation, signed in at once."""
    guard(request)
    user = actions.join(data.token, data.name, data.password)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    request.session.pop("left_demo", None)
    return Status(201, None)


@router.put("/members/{int:member_id}/password", response={204: None, **MISSING})
def set_password(request: HttpRequest, member_id: int, data: s.PasswordIn) -> Any:
    member = get_object_or_404(queries.members(house(request)), pk=member_id)
    actions.check_own(cast(User, request.user), data.own_password)
    actions.set_password(member, data.password)
    if member.pk == request.user.pk:
        was = request.session.session_key or ""
        update_session_auth_hash(request, member)
        signed_in.note(request, member, was)
    return Status(204, None)


@router.get("/sessions", response={200: list[s.SignedInRow], 401: Trouble})
def sessions(request: HttpRequest) -> Any:
    """Where the member is signed in; nobody sees another's."""
    return [
        {"id": x.pk, "device": x.device, "began": x.began, "seen": x.seen, "here": x.key == request.session.session_key}
        for x in queries.signed_in_at(cast(User, request.user))
    ]


@router.delete("/sessions/{int:signed_in_id}", response={204: None, **MISSING})
def end_session(request: HttpRequest, signed_in_id: int) -> Any:
    signed_in.end(get_object_or_404(queries.signed_in_at(cast(User, request.user)), pk=signed_in_id))
    return Status(204, None)


@router.delete("/members/{int:member_id}", response={204: None, **MISSING})
def remove_member(request: HttpRequest, member_id: int) -> Any:
    actions.remove_member(get_object_or_404(queries.members(house(request)), pk=member_id))
    return Status(204, None)


@router.post("/household/delete", response={204: None, **BAD})
def delete_household(request: HttpRequest, data: s.DropHousehold) -> Any:
    mine = house(request)
    actions.check_own(cast(User, request.user), data.own_password)
    actions.delete_household(mine, data.name)
    logout(request)
    request.session["left_demo"] = True
    return Status(204, None)
