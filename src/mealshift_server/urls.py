"""The API, and the one page that is the web application."""

from __future__ import annotations

from django.urls import path, re_path

from . import page
from .api import api

handler400 = "mealshift_server.base.errors.page_bad"
handler404 = "mealshift_server.base.errors.page_missing"
handler500 = "mealshift_server.base.errors.page_fault"
urlpatterns = [
    path("api/", api.urls),
    path("sw.js", page.worker),
    re_path(r"^(?!api/|static/).*$", page.app),
]
