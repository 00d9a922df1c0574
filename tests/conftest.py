from __future__ import annotations

import os
import tempfile

# tests keep their data and their secret key apart from the demo's
os.environ.setdefault("MEALSHIFT_DATA", tempfile.mkdtemp(prefix="mealshift-test-"))
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "1")
