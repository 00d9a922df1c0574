"""Migrates, seeds the demo if asked, and serves everything with one worker that takes over what is loaded already."""

from __future__ import annotations

import importlib
import threading
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
        # a connection must not cross the fork
        connections.close_all()
        address = f"{settings.BIND}:{options['port']}"
        scheme = "https" if settings.HTTPS else "http"
        self.stdout.write(f"Meal Shift is at {scheme}://{address}/  (stop it with Ctrl-C)")
        self.stdout.flush()
        _serve(address)


def _warm(worker: Any) -> None:
    """The scheduler's library takes a second or two to load: done beside the first requests, not in the first plan."""
    threading.Thread(target=importlib.import_module, args=("ortools.sat.python.cp_model",), daemon=True).start()


def _serve(address: str) -> None:
    from gunicorn.app.base import BaseApplication

    from mealshift_server.wsgi import application

    class Server(BaseApplication):  # type: ignore[misc]
        def load_config(self) -> None:
            chosen = {
                "bind": address,
                "workers": 1,
                "threads": 8,
                "worker_tmp_dir": str(settings.DATA_DIR),
                "loglevel": "warning",
                "timeout": 60,
                "preload_app": True,
            }
            for name, value in chosen.items():
                self.cfg.set(name, value)
            self.cfg.set("post_worker_init", _warm)

        def load(self) -> Any:
            return application

    Server().run()
