"""What comes in and goes out of the backup's doors."""

from __future__ import annotations

from ninja import Schema
from pydantic import Field


class BackupIn(Schema):
    own_password: str = Field(max_length=256)


class BackupOut(Schema):
    """href: the file, for a minute."""

    href: str


class RestoreOut(Schema):
    counts: dict[str, int]
