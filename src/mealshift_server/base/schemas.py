"""The words every room answers with."""

from __future__ import annotations

from typing import Literal

from ninja import Schema

Lid = Literal["sealed", "tight", "ordinary", "ajar", "open"]


class Trouble(Schema):
    code: str
    where: str
    text: str


class ProblemOut(Schema):
    code: str
    where: str
    text: str
    severity: Literal["stop", "ask", "note"]


class CautionOut(Schema):
    code: str
    text: str
    because: str
