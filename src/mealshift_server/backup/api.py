"""The backup's doors: all of a household out, and in again."""

from __future__ import annotations

import json
from typing import Any, cast

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router

from mealshift_server.base.answers import BAD
from mealshift_server.base.schemas import Trouble
from mealshift_server.households.models import User
from mealshift_server.households.scope import house

from . import document as backup
from . import schemas as s

router = Router(tags=["household"])


@router.get("/backup.json", response={200: dict[str, Any], 401: Trouble})
def make_backup(request: HttpRequest) -> Any:
    now = timezone.now()
    body = json.dumps(backup.make(house(request), now), ensure_ascii=False, indent=1)
    headers = {"Content-Disposition": f'attachment; filename="meal-shift-{now:%Y-%m-%d}.json"'}
    return HttpResponse(body, content_type="application/json; charset=utf-8", headers=headers)


@router.post("/restore", response={200: s.RestoreOut, **BAD})
def restore(request: HttpRequest, data: s.RestoreIn) -> Any:
    return {"counts": backup.restore(house(request), data.backup, data.replace, cast(User, request.user))}
