"""A copy of the whole database that is consistent while the server runs and writes (SQLite's online backup)."""

from __future__ import annotations

import sqlite3
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser


class Command(BaseCommand):
    help = "Copies the database to a file, safely while Meal Shift is running. To restore: stop it and put the file back as mealshift.sqlite3."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        target: Path = options["file"]
        if target.exists():
            raise CommandError(f"{target} is there already: give another name.")
        if not target.parent.is_dir():
            raise CommandError(f"There is no folder {target.parent}: make it first.")
        source = sqlite3.connect(str(settings.DATABASES["default"]["NAME"]))
        copy = sqlite3.connect(target)
        try:
            source.backup(copy)
            fault = copy.execute("PRAGMA integrity_check").fetchone()[0]
        finally:
            copy.close()
            source.close()
        if fault != "ok":
            raise CommandError(f"The copy is damaged ({fault}): the disk may be failing.")
        self.stdout.write(f"Copied to {target}.")
