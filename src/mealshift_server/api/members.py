"""Members, backup, and the end of a household."""

from __future__ import annotations

import json
from typing import Any, cast

from django.contrib.auth import login, logout, update_session_auth_hash
from django.db.models import QuerySet
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404
from django.utils import timezone
from ninja import Router, Status
from ninja.errors import HttpError
from ninja.utils import check_csrf

from mealshift_server.households import actions, backup
from mealshift_server.households.models import User

from . import home_schemas as s
from . import schemas
from .scope import BAD, MISSING, house

router = Router(tags=["household"])


def _members(request: HttpRequest) -> QuerySet[User]:
    return User.objects.filter(household=house(request)).order_by("id")


@router.get("/members", response={200: list[s.MemberRow], 401: schemas.Trouble})
def members(request: HttpRequest) -> Any:
    return [
        {"id": u.pk, "name": u.username, "me": u.pk == request.user.pk, "last_seen": u.last_login}
        for u in _members(request)
    ]


@router.post("/members/invite", response={201: s.InviteOut, **BAD})
def invite(request: HttpRequest) -> Any:
    token, until = actions.invite(house(request))
    return Status(201, {"token": token, "until": until})


@router.post("/join", response={201: None, 403: schemas.Trouble, **BAD}, auth=None)
def join(request: HttpRequest, data: s.JoinIn) -> Any:
    """A new member by an invitation, signed in at once."""
    if check_csrf(request):
        raise HttpError(403, "The page was open too long: reload it and try again.")
    user = actions.join(data.token, data.name, data.password)
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    request.session.pop("left_demo", None)
    return Status(201, None)


@router.put("/members/{int:member_id}/password", response={204: None, **MISSING})
def set_password(request: HttpRequest, member_id: int, data: s.PasswordIn) -> Any:
    member = get_object_or_404(_members(request), pk=member_id)
    actions.set_password(member, data.password)
    if member.pk == request.user.pk:
        update_session_auth_hash(request, member)
    return Status(204, None)


@router.delete("/members/{int:member_id}", response={204: None, **MISSING})
def remove_member(request: HttpRequest, member_id: int) -> Any:
    actions.remove_member(get_object_or_404(_members(request), pk=member_id))
    return Status(204, None)


@router.get("/backup.json", response={200: dict[str, Any], 401: schemas.Trouble})
def make_backup(request: HttpRequest) -> Any:
    now = timezone.now()
    body = json.dumps(backup.make(house(request), now), ensure_ascii=False, indent=1)
    headers = {"Content-Disposition": f'attachment; filename="meal-shift-{now:%Y-%m-%d}.json"'}
    return HttpResponse(body, content_type="application/json; charset=utf-8", headers=headers)


@router.post("/restore", response={200: s.RestoreOut, **BAD})
def restore(request: HttpRequest, data: s.RestoreIn) -> Any:
    return {"counts": backup.restore(house(request), data.backup, data.replace, cast(User, request.user))}


@router.post("/household/delete", response={204: None, **BAD})
def delete_household(request: HttpRequest, data: s.DropHousehold) -> Any:
    mine = house(request)
    actions.delete_household(mine, data.name)
    logout(request)
    request.session["left_demo"] = True
    return Status(204, None)
