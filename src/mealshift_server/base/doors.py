"""What the doors that need no session ask instead: a page of our own, and not too many tries from one address."""

from __future__ import annotations

from django.conf import settings
from django.http import HttpRequest
from ninja.errors import HttpError
from ninja.security import SessionAuth
from ninja.throttling import AnonRateThrottle
from ninja.utils import check_csrf


class PerAddress(AnonRateThrottle):
    """Tries from one address, at the rate that a setting names; looked up at each try, so that a changed setting counts."""

    def __init__(self, scope: str, setting: str) -> None:
        self.scope, self.setting = scope, setting
        super().__init__("1/s")

    def allow_request(self, request: HttpRequest) -> bool:
        self.num_requests, self.duration = self.parse_rate(getattr(settings, self.setting))
        return bool(super().allow_request(request))


class OrGuest(SessionAuth):
    """Lets in who is signed in, and who has no account too: for doors that reckon and keep nothing. CSRF is asked of both."""

    def authenticate(self, request: HttpRequest, key: str | None) -> object:
        return super().authenticate(request, key) or "guest"


class PerGuest(PerAddress):
    """Only who has no account is counted."""

    def get_cache_key(self, request: HttpRequest) -> str | None:
        return (
            None
            if request.user.is_authenticated
            else self.cache_format % {"scope": self.scope, "ident": self.get_ident(request)}
        )


def guard(request: HttpRequest) -> None:
    """CSRF for the doors that need no session yet."""
    if check_csrf(request):
        raise HttpError(403, "The page was open too long: reload it and try again.")
