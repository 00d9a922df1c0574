"""Domain problems become HTTP here and nowhere else. Every error is one Trouble: code, where, one sentence."""

from __future__ import annotations

from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError

from mealshift.problems import Refusal
from mealshift_server.recipes.actions import Conflict


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
        return trouble(422, p.code, p.where, p.text)

    @api.exception_handler(Conflict)
    def _conflict(request: HttpRequest, _: Conflict) -> HttpResponse:
        return trouble(
            409,
            "changed_meanwhile",
            "text",
            "Somebody changed this recipe meanwhile: open it again, then make your change.",
        )

    @api.exception_handler(AuthenticationError)
    def _signed_out(request: HttpRequest, _: AuthenticationError) -> HttpResponse:
        return trouble(401, "signed_out", "", "You are signed out: sign in again; what you typed stays on the page.")

    @api.exception_handler(Http404)
    def _missing(request: HttpRequest, _: Http404) -> HttpResponse:
        return trouble(404, "missing", "", "That is not here, or not yours: go back to the list.")

    @api.exception_handler(RequestDataTooBig)
    def _too_big(request: HttpRequest, _: RequestDataTooBig) -> HttpResponse:
        return trouble(413, "too_long", "text", "This is larger than any recipe: bring one of under 3 MB.")

    @api.exception_handler(ValidationError)
    def _invalid(request: HttpRequest, fault: ValidationError) -> HttpResponse:
        first = fault.errors[0] if fault.errors else {"loc": [], "msg": "not understood"}
        where = str(first["loc"][-1]) if first["loc"] else ""
        return trouble(
            422, "invalid", where, f"“{where}” cannot be read: {str(first['msg'])[:120]}; correct it and try again."
        )

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, fault: HttpError) -> HttpResponse:
        return trouble(fault.status_code, "request", "", str(fault.message))
