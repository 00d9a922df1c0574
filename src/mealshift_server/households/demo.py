"""The demo opens signed in, and only where nobody else can reach it."""

from __future__ import annotations

import re

from django.conf import settings
from django.contrib.auth import login
from django.http import HttpRequest

from .models import User

DEMO_USER = "fennel"
_LOOPBACK = {"127.0.0.1", "::1", "localhost"}
# what a browser says of itself (and our page with it); whatever else stands there, a machine in between may have put in
_A_BROWSERS = re.compile(
    r"ACCEPT(?:_\w+)?|ALT_USED|CACHE_CONTROL|CONNECTION|COOKIE|DNT|HOST|IF_\w+|KEEP_ALIVE|ORIGIN|PRAGMA|PRIORITY|PURPOSE|RANGE|REFERER"
    r"|SAVE_DATA|SEC_\w+|SERVICE_WORKER(?:_\w+)?|UPGRADE_INSECURE_REQUESTS|USER_AGENT|X_CSRFTOKEN"
)


def may_open(request: HttpRequest) -> bool:
    """The demo setting, a loopback bind, a loopback Host and peer, and no sign of a proxy in between: neither a header that no browser
    sends nor HTTP/1.0, in which many pass on what came to them from anywhere."""
    host = (
        request.get_host().rsplit(":", 1)[0].strip("[]")
        if "]" not in request.get_host()
        else request.get_host().split("]")[0].strip("[")
    )
    return (
        bool(settings.DEMO)
        and settings.BIND in _LOOPBACK
        and host in _LOOPBACK
        and request.META.get("REMOTE_ADDR", "") in _LOOPBACK | {""}
        and request.META.get("SERVER_PROTOCOL") != "HTTP/1.0"
        and all(_A_BROWSERS.fullmatch(h.removeprefix("HTTP_")) for h in request.META if h.startswith("HTTP_"))
    )


def open_if_demo(request: HttpRequest) -> None:
    """Signs the demo cook in who comes to the page, unless they signed out in this session.

    A page that a browser fetches for later (the worker that keeps the shell) is nobody coming in: on its way while somebody signs out, it would bring the demo cook back over who comes next."""
    if request.user.is_authenticated or request.session.get("left_demo") or not may_open(request):
        return
    if request.headers.get("Sec-Fetch-Mode", "navigate") != "navigate":
        return
    user = User.objects.filter(username=DEMO_USER).first()
    if user is not None:
        login(request, user, backend="django.contrib.auth.backends.ModelBackend")
