"""What comes in and goes out of the backup's doors."""

from __future__ import annotations

from typing import Any

from ninja import Schema


class RestoreIn(Schema):
    backup: dict[str, Any]
    replace: bool = False


class RestoreOut(Schema):
    counts: dict[str, int]
