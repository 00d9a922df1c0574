"""Where a member is signed in: noted at the door, shown to nobody but that member, ended from any other device."""

from __future__ import annotations

import re
from datetime import timedelta
from typing import Any

from django.contrib.auth.signals import user_logged_in, user_logged_out
from django.contrib.sessions.models import Session
from django.http import HttpRequest
from django.utils import timezone

from .models import SignedIn, User

# so often is "last seen" written down
SEEN_EVERY = timedelta(minutes=10)
_BROWSERS = (("Edg", "Edge"), ("Firefox", "Firefox"), ("Chrome", "Chrome"), ("Safari", "Safari"))
_SYSTEMS = (
    ("iPhone", "an iPhone"),
    ("iPad", "an iPad"),
    ("Android", "Android"),
    ("Windows", "Windows"),
    ("Mac OS", "a Mac"),
    ("Linux", "Linux"),
)


def device_of(agent: str) -> str:
    """What the browser calls itself, in two words.

    >>> device_of("Mozilla/5.0 (Android 14; Mobile; rv:130.0) Gecko/130.0 Firefox/130.0")
    'Firefox on Android'
    """
    browser = next((said for word, said in _BROWSERS if word in agent), "a browser")
    system = next((said for word, said in _SYSTEMS if re.search(word, agent)), "")
    return f"{browser} on {system}" if system else browser


def listen() -> None:
    user_logged_in.connect(_came, dispatch_uid="signed_in")
    user_logged_out.connect(_went, dispatch_uid="signed_out")


def _came(request: HttpRequest, user: User, **_: Any) -> None:
    note(request, user)


def _went(request: HttpRequest, **_: Any) -> None:
    SignedIn.objects.filter(key=request.session.session_key or "").delete()


def note(request: HttpRequest, user: User, was: str = "") -> None:
    """This session is the member's; `was`: the key it had before it was made anew."""
    if was:
        SignedIn.objects.filter(key=was).delete()
    if not request.session.session_key:
        return
    SignedIn.objects.update_or_create(
        key=request.session.session_key,
        defaults={"user": user, "device": device_of(request.META.get("HTTP_USER_AGENT", "")[:400])},
    )


def seen(request: HttpRequest, user: User) -> None:
    """The page was opened here. A session older than this list is taken up into it."""
    mine = SignedIn.objects.filter(key=request.session.session_key or "").first()
    if mine is None:
        note(request, user)
    elif mine.seen < timezone.now() - SEEN_EVERY:
        mine.seen = timezone.now()
        mine.save(update_fields=["seen"])


def end(row: SignedIn) -> None:
    Session.objects.filter(session_key=row.key).delete()
    row.delete()
