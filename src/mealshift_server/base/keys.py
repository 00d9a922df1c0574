"""Long random keys, of which only a digest is kept: devices and invitations."""

from __future__ import annotations

import hashlib


def digest(key: str) -> str:
    """The keys are long and random, so a plain digest is enough to look one up and not to guess it."""
    return hashlib.sha256(key.encode()).hexdigest()
