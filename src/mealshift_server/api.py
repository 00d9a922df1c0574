"""The API: every room's doors under one roof. A door scopes by household, calls one action, and answers."""

from __future__ import annotations

from ninja import NinjaAPI
from ninja.security import django_auth

from .backup.api import router as backup
from .base import errors
from .base.body import StrictParser
from .households.api import router as households
from .kitchen.api import router as kitchen
from .larder.api import router as larder
from .notebook.api import router as notebook
from .plans.api import router as plans
from .recipes.api import router as recipes
from .week.api import router as week

api = NinjaAPI(
    title="Meal Shift", version="1", docs_url=None, openapi_url=None, auth=django_auth, parser=StrictParser()
)
errors.install(api)
for room in (households, kitchen, larder, recipes, plans, notebook, week, backup):
    api.add_router("", room)
