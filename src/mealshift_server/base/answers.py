"""The error answers that a door documents."""

from __future__ import annotations

from .schemas import Trouble

BAD = {400: Trouble, 401: Trouble, 413: Trouble, 422: Trouble}
MISSING = {**BAD, 404: Trouble}
