"""A simulated scale or probe as a program of its own: it speaks the protocol of docs/devices.md and nothing else."""

from __future__ import annotations

import json
import secrets
import time
import urllib.error
import urllib.request
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser


class Command(BaseCommand):
    help = "Runs a simulated kitchen scale or pot probe beside the cooking that is on (docs/devices.md)."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--key", required=True, help="the device's key, shown once on the Kitchen screen")
        parser.add_argument("--address", default="http://127.0.0.1:8000", help="where Meal Shift is served")
        parser.add_argument("--every", type=float, default=5.0, help="seconds between readings")
        parser.add_argument("--times", type=int, default=0, help="stop after so many readings (0: go on)")
        parser.add_argument(
            "--off-by", type=float, default=0.0, help="a truth of its own: grams or degrees beside the model"
        )

    def handle(self, *args: Any, **options: Any) -> None:
        if not options["address"].startswith(("http://", "https://")):
            raise CommandError("Give the address with http:// or https:// before it.")
        sent = 0
        while not options["times"] or sent < options["times"]:
            for pot in self._ask(options, "cooking")["pots"]:
                value = pot["simulated"] + options["off_by"]
                self._ask(options, "readings", {"id": secrets.token_hex(8), "pot": pot["pot"], "value": value})
                self.stdout.write(f"{pot['name']}: {value:g}")
            sent += 1
            if not options["times"] or sent < options["times"]:
                time.sleep(max(0.2, options["every"]))

    def _ask(self, options: dict[str, Any], path: str, body: dict[str, Any] | None = None) -> Any:
        request = urllib.request.Request(  # noqa: S310 - the scheme is checked above
            f"{options['address'].rstrip('/')}/api/device/{path}",
            None if body is None else json.dumps(body).encode(),
            {"Authorization": f"Bearer {options['key']}", "Content-Type": "application/json"},
        )
        try:
            with urllib.request.urlopen(request, timeout=20) as answer:  # noqa: S310
                return json.load(answer)
        except urllib.error.HTTPError as fault:
            said = {
                401: "This key opens nothing: make a device on the Kitchen screen and copy its key.",
                404: "Nothing is on the stove: begin to cook first.",
            }
            raise CommandError(said.get(fault.code, f"The server answered {fault.code}.")) from None
        except OSError:
            raise CommandError(f"Nobody answers at {options['address']}: is Meal Shift being served there?") from None
