"""Domain problems become HTTP here and nowhere else. Every error is one Trouble: code, where, one sentence."""

from __future__ import annotations

import logging
import secrets
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.db import OperationalError
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError

from mealshift.problems import Refusal

log = logging.getLogger("mealshift")


class Conflict(Exception):  # noqa: N818 - told to the cook, not a fault
    """Somebody changed it since it was opened."""


def trouble(status: int, code: str, where: str, text: str) -> JsonResponse:
    return JsonResponse({"code": code, "where": where, "text": text}, status=status)


def locked_out(request: HttpRequest, *args: Any, **kwargs: Any) -> HttpResponse:
    """django-axes calls this when a name and address have had their tries."""
    return trouble(
        429, "locked_out", "password", "Too many wrong passwords: wait a quarter of an hour, then try again."
    )


def install(api: NinjaAPI) -> None:
    @api.exception_handler(Refusal)
    def _refused(request: HttpRequest, refused: Refusal) -> HttpResponse:
        p = refused.problem
        home = getattr(getattr(request, "user", None), "household", None)
        # what a cup or a glass holds is asked for in millilitres everywhere
        if home is not None and p.where not in ("measure_ml", "cup_ml"):
            return trouble(422, p.code, p.where, home.manner.told(p.text, home.measures))
        return trouble(422, p.code, p.where, p.text)

    @api.exception_handler(Conflict)
    def _conflict(request: HttpRequest, _: Conflict) -> HttpResponse:
        return trouble(
            409,
            "changed_meanwhile",
            "text",
            "Somebody changed this meanwhile: open it again, then make your change.",
        )

    @api.exception_handler(AuthenticationError)
    def _signed_out(request: HttpRequest, _: AuthenticationError) -> HttpResponse:
        return trouble(401, "signed_out", "", "You are signed out: sign in again; what you typed stays on the page.")

    @api.exception_handler(Http404)
    def _missing(request: HttpRequest, _: Http404) -> HttpResponse:
        return trouble(404, "missing", "", "That is not here, or not yours: go back to the list.")

    @api.exception_handler(RequestDataTooBig)
    def _too_big(request: HttpRequest, _: RequestDataTooBig) -> HttpResponse:
        return trouble(413, "too_long", "text", TOO_LONG)

    @api.exception_handler(ValidationError)
    def _invalid(request: HttpRequest, fault: ValidationError) -> HttpResponse:
        first = fault.errors[0] if fault.errors else {"loc": [], "msg": "not understood"}
        where = str(first["loc"][-1]) if first["loc"] else ""
        return trouble(
            422, "invalid", where, f"“{where}” cannot be read: {str(first['msg'])[:120]}; correct it and try again."
        )

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, fault: HttpError) -> HttpResponse:
        text = str(fault.message)
        if fault.status_code == 400:
            text = "What was sent cannot be read: reload the page and try again; no number may be NaN or without end."
        if fault.status_code == 429:
            text = "Too many tries from here: wait a while, then try again."
        return trouble(fault.status_code, "request", "", text)

    @api.exception_handler(OverflowError)
    def _out_of_bounds(request: HttpRequest, _: OverflowError) -> HttpResponse:
        # an id or a day that no row and no calendar can have
        return trouble(404, "missing", "", "That is not here, or not yours: go back to the list.")

    @api.exception_handler(OperationalError)
    def _store(request: HttpRequest, fault: OperationalError) -> HttpResponse:
        """The file the data lies in: busy with another writer, full, or not to be written to."""
        number = _logged(request, fault)
        said = str(fault).lower()
        why = next((text for word, text in _STORE.items() if word in said), _STORE["locked"])
        return trouble(503, "store", "", f"{why} (number {number} in the log).")

    @api.exception_handler(Exception)
    def _fault(request: HttpRequest, fault: Exception) -> HttpResponse:
        return trouble(500, "fault", "", f"{FAULT} (Number {_logged(request, fault)} in the log.)")


_STORE = {
    "full": "The disk is full: nothing was changed; make room, then try again",
    "readonly": "The data cannot be written to: nothing was changed; give the folder back its rights, then try again",
    "unable to open": "The data cannot be opened: nothing was changed; look at the folder's rights, then try again",
    "locked": "Somebody else is writing just now: nothing was changed; try again in a moment",
}


def _logged(request: HttpRequest, fault: Exception) -> str:
    """A number that the cook reads and that stands in the log beside the fault."""
    number = secrets.token_hex(3)
    log.error("%s: %s %s", number, request.method, request.path, exc_info=fault)
    return number


TOO_LONG = "This is larger than any recipe: bring one of under 3 MB."
FAULT = "Something went wrong here, not with you: what you typed is still on the page; try again, or leave out the odd part."


def page_missing(request: HttpRequest, exception: Exception) -> HttpResponse:
    """Django's own 404: only what is below /api/ and /static/ comes here, and nobody reads a page there."""
    return trouble(404, "missing", "", "There is nothing at this address: go back to the list.")


def page_bad(request: HttpRequest, exception: Exception) -> HttpResponse:
    return trouble(400, "request", "", "What was sent cannot be read: reload the page and try again.")


def page_fault(request: HttpRequest) -> HttpResponse:
    return trouble(500, "fault", "", FAULT)


def page_forbidden(request: HttpRequest, reason: str = "") -> HttpResponse:
    """Of the CSRF check."""
    return trouble(403, "csrf", "", "The page was open too long: reload it and try again.")
