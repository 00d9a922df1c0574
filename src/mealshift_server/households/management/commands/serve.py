"""Migrates, seeds the demo if asked, and serves everything in one process."""

from __future__ import annotations

import os
import sys
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandParser
from django.db import connections


class Command(BaseCommand):
    help = "Serves Meal Shift on MEALSHIFT_BIND (127.0.0.1 unless set)."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--port", type=int, default=8000)

    def handle(self, *args: Any, **options: Any) -> None:
        call_command("migrate", interactive=False, verbosity=0)
        if settings.DEMO:
            call_command("seed_demo")
        connections.close_all()
        address = f"{settings.BIND}:{options['port']}"
        scheme = "https" if settings.HTTPS else "http"
        self.stdout.write(f"Meal Shift is at {scheme}://{address}/  (stop it with Ctrl-C)")
        self.stdout.flush()
        os.execv(  # noqa: S606 - the server replaces this process; no shell
            sys.executable,
            [sys.executable, "-m", "gunicorn", "mealshift_server.wsgi", "--bind", address, "--workers", "1", "--threads", "8",
             "--worker-tmp-dir", str(settings.DATA_DIR), "--log-level", "warning", "--timeout", "60"],
        )  # fmt: skip
