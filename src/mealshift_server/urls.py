"""The API, and the one page that is the web application."""

from __future__ import annotations

from django.urls import path, re_path

from .api import page
from .api.routes import api

urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?!api/|static/).*$", page.app),
]
