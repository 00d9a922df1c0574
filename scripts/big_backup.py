"""A household of 2,000 evenings with 300 photos is saved and restored in a database of its own: seconds, megabytes, the most memory that was held.

.venv/bin/python scripts/big_backup.py [evenings] [photos]
"""

from __future__ import annotations

import io
import os
import random
import resource
import sys
import tempfile
import time
from pathlib import Path

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT / "src"))


def main(evenings: int = 2000, photos: int = 300) -> None:
    with tempfile.TemporaryDirectory() as folder:
        os.environ |= {
            "DJANGO_SETTINGS_MODULE": "mealshift_server.settings",
            "MEALSHIFT_DATA": folder,
            "MEALSHIFT_DEMO": "1",
        }
        import django

        django.setup()
        from django.core.management import call_command
        from django.utils import timezone

        from mealshift_server.backup.restoring import restore
        from mealshift_server.backup.saving import save
        from mealshift_server.households.models import Household
        from mealshift_server.notebook.models import Entry

        call_command("migrate", verbosity=0)
        call_command("seed_demo", verbosity=0)
        house = Household.objects.get()
        _grow(house, evenings, photos)
        before = _most_mb()
        at = time.perf_counter()
        file = save(house, timezone.now())
        saved_s, size = time.perf_counter() - at, file.seek(0, 2)
        saved_mb = _most_mb()
        other = Household.objects.create(name="Other House")
        at = time.perf_counter()
        counts = restore(other, file, False)
        restored_s = time.perf_counter() - at
        assert counts["entries"] == Entry.objects.filter(household=house).count()
        print(f"{counts['cookings']} evenings, {counts['entries']} entries, {photos} photos: {size / 1e6:.0f} MB")
        print(f"saved in {saved_s:.1f} s, restored in {restored_s:.1f} s")
        print(
            f"memory before {before:.0f} MB, after saving {saved_mb:.0f}, after restoring {_most_mb():.0f} (the most that was held)"
        )


def _most_mb() -> float:
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024


def _grow(house: object, evenings: int, photos: int) -> None:
    """Cookings with the events of an evening, an entry each, photos of noise (which no JPEG makes small)."""
    from PIL import Image

    from mealshift_server.notebook.models import Entry, Photo
    from mealshift_server.plans.models import Cooking, Event

    pattern = Cooking.objects.filter(household=house).first()
    entry = Entry.objects.filter(household=house).first()
    script, dishes = (pattern.script, pattern.dishes) if pattern else _planned(house)
    rng = random.Random(7)
    out = io.BytesIO()
    Image.frombytes("RGB", (800, 600), rng.randbytes(800 * 600 * 3)).save(out, "JPEG", quality=82)
    for n in range(evenings):
        cooking = Cooking.objects.create(
            household=house,
            client_id=f"big-{n}",
            title="Tomato pilaf",
            began=entry.created,
            serve_at=entry.created,
            script=script,
            dishes=dishes,
            ended=entry.created,
        )
        Event.objects.bulk_create(
            Event(
                cooking=cooking, client_id=f"e{k}", kind="done", minute=float(k), data={"step": f"s{k}", "by": "hand"}
            )
            for k in range(40)
        )
        entry.pk, entry.cooking, entry.pot_key = None, cooking, "p"
        entry.save(force_insert=True)
        if n < photos:
            Photo.objects.create(entry=entry, jpeg=out.getvalue())


def _planned(house: object) -> tuple[object, object]:
    from datetime import timedelta

    from django.utils import timezone

    from mealshift_server.households.models import User
    from mealshift_server.plans import actions
    from mealshift_server.recipes.models import Shift

    kept = list(Shift.objects.filter(household=house)[:2])
    asked = {"serve_at": timezone.now() + timedelta(hours=6)}
    cooking, _ = actions.start_cooking(house, User.objects.get(), "pattern", kept, asked)
    return cooking.script, cooking.dishes


if __name__ == "__main__":
    main(*map(int, sys.argv[1:3]))
