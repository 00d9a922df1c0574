"""The web application's single page; the browser's router does the rest."""

from __future__ import annotations

from functools import cache

from django.conf import settings
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from .households import demo


@cache
def _index() -> str:
    return (settings.WEB_DIST / "index.html").read_text(encoding="utf-8")


@require_safe
def worker(request: HttpRequest) -> HttpResponse:
    """The script that keeps the shell on the device. It must stand at the root to have a say in every address, and never be stale."""
    try:
        script = (settings.WEB_DIST / "sw.js").read_text(encoding="utf-8")
    except FileNotFoundError as fault:
        raise Http404 from fault
    return HttpResponse(script, content_type="text/javascript", headers={"Cache-Control": "no-cache"})


@require_safe
@ensure_csrf_cookie
def app(request: HttpRequest) -> HttpResponse:
    demo.open_if_demo(request)
    try:
        page = _index()
    except FileNotFoundError:
        return HttpResponse("The web pages are not built yet: run `make demo`.", status=503, content_type="text/plain")
    return HttpResponse(page, headers={"Cache-Control": "no-cache"})
