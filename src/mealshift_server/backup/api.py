"""The backup's doors: all of a household out, and in again."""

from __future__ import annotations

from typing import IO, Any, cast

from django.core import signing
from django.http import FileResponse, HttpRequest
from django.utils import timezone
from ninja import File, Form, Router
from ninja.files import UploadedFile

from mealshift.problems import Refusal
from mealshift_server.base.answers import BAD, a_file
from mealshift_server.base.schemas import Trouble
from mealshift_server.households import actions as households
from mealshift_server.households.models import User
from mealshift_server.households.scope import house

from . import schemas as s
from .restoring import restore as restore_from
from .saving import save

router = Router(tags=["household"])
# a link to the file opens for as long as it takes to follow it
OPENS_FOR_S = 60
_SALT = "mealshift.backup"


@router.post("/backup", response={200: s.BackupOut, **BAD})
def ask_for_backup(request: HttpRequest, data: s.BackupIn) -> Any:
    """With one's own password: all of the house in one file is worth more than any screen of it."""
    user = cast(User, request.user)
    households.check_own(user, data.own_password)
    return {"href": f"/api/backup.jsonl?ticket={signing.dumps(user.pk, salt=_SALT)}"}


@router.get(
    "/backup.jsonl",
    response={401: Trouble, 422: Trouble},
    openapi_extra=a_file("application/jsonl", "The backup"),
)
def make_backup(request: HttpRequest, ticket: str) -> Any:
    mine = house(request)
    try:
        asked = signing.loads(ticket, salt=_SALT, max_age=OPENS_FOR_S)
    except signing.BadSignature:
        asked = None
    if asked != request.user.pk:
        raise Refusal("ticket", "", "This link to a backup is out of date: ask for it anew in the house's page.")
    now = timezone.now()
    return FileResponse(
        save(mine, now),
        as_attachment=True,
        filename=f"meal-shift-{now:%Y-%m-%d}.jsonl",
        content_type="application/jsonl",
    )


@router.post("/restore", response={200: s.RestoreOut, **BAD})
def restore(request: HttpRequest, backup: File[UploadedFile], replace: Form[bool] = False) -> Any:
    return {"counts": restore_from(house(request), cast(IO[bytes], backup.file), replace, cast(User, request.user))}
