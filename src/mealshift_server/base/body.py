"""What comes in as JSON, made harmless in one place: no NaN or infinity, no number a database cannot hold, no half letters."""

from __future__ import annotations

import json
import math
import re
from collections.abc import Callable
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja.parser import Parser

from .errors import TOO_LONG, trouble

# JavaScript's own bound; every id and amount lies far below
MOST = 2**53
_HALF_LETTER = re.compile("[\ud800-\udfff]")


# a household's own backup with its photos is larger than any other thing that is sent; it comes as a file and is read by line
MOST_BYTES, MOST_OF_PHOTO, MOST_OF_BACKUP = (n * 1024 * 1024 for n in (8, 12, 1024))
_PHOTO = re.compile(r"^/api/notebook/\d+/photo$")


def _bound(path: str) -> tuple[int, str, str]:
    """(bytes, place, sentence): what a door takes at most."""
    if path == "/api/restore":
        return MOST_OF_BACKUP, "backup", "This file is larger than any backup: choose the one you saved here."
    if _PHOTO.match(path):
        return MOST_OF_PHOTO, "photo", "This photo is larger than 12 MB: send a smaller one."
    return MOST_BYTES, "text", TOO_LONG


def bounded(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: no body is read beyond what its door can take."""

    def answer(request: HttpRequest) -> HttpResponse:
        length = request.META.get("CONTENT_LENGTH") or "0"
        most, where, said = _bound(request.path)
        if length.isdigit() and int(length) > most:
            return trouble(413, "too_long", where, said)
        return get_response(request)

    return answer


def unkept(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: what the API answers is one household's own, and no browser or proxy keeps it, unless the door says otherwise."""

    def answer(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        if request.path.startswith("/api/") and "Cache-Control" not in response:
            response["Cache-Control"] = "no-store"
        return response

    return answer


class StrictParser(Parser):
    def parse_body(self, request: HttpRequest) -> Any:
        try:
            return harmless(json.loads(request.body, parse_constant=_refuse))
        except RecursionError:
            raise ValueError("nested without end") from None


# a kept shift nests about nine deep
DEEPEST = 40


def harmless(value: Any, depth: int = 0) -> Any:
    """The value with half letters replaced. ValueError if a number in it is none that can be reckoned with, or it nests without end."""
    if depth > DEEPEST:
        raise ValueError("nested without end")
    if isinstance(value, str):
        return _HALF_LETTER.sub("\ufffd", value)
    if isinstance(value, dict):
        return {harmless(k): harmless(v, depth + 1) for k, v in value.items()}
    if isinstance(value, list):
        return [harmless(v, depth + 1) for v in value]
    if isinstance(value, int | float) and not (math.isfinite(value) and abs(value) <= MOST):
        raise ValueError("a number out of all bounds")
    return value


def _refuse(constant: str) -> Any:
    raise ValueError(f"{constant} is no number")
