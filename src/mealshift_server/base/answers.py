"""The answers that a door documents: what can go wrong, and files."""

from __future__ import annotations

from typing import Any

from .schemas import Trouble

BAD = {400: Trouble, 401: Trouble, 413: Trouble, 422: Trouble}
MISSING = {**BAD, 404: Trouble}


def a_file(mime: str, what: str, binary: bool = False) -> dict[str, Any]:
    """The answer of a door that gives a file, for its openapi_extra: what it is, and its media type."""
    shape = {"type": "string", "format": "binary"} if binary else {"type": "string"}
    return {"responses": {200: {"description": what, "content": {mime: {"schema": shape}}}}}


def takes_file(mime: str) -> dict[str, Any]:
    """The body of a door that takes a file as it is, for its openapi_extra."""
    content = {mime: {"schema": {"type": "string", "format": "binary"}}}
    return {"requestBody": {"required": True, "content": content}}
