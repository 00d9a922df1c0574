"""A server of a script's own on loopback, with a fresh household's data."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).parents[1]
# what a browser on such a machine is started with
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking"]
CHROMIUM = "/usr/bin/chromium"


@contextmanager
def served(data: str, **settings: str) -> Iterator[str]:
    """The address, once it answers. settings: of the environment."""
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        port = s.getsockname()[1]
    address = f"http://127.0.0.1:{port}"
    mine = {k: v for k, v in os.environ.items() if not k.startswith("MEALSHIFT_")}
    env = {**mine, "MEALSHIFT_DATA": data, **settings}
    server = subprocess.Popen([sys.executable, "manage.py", "serve", "--port", str(port)], cwd=ROOT, env=env)
    try:
        for _ in range(200):
            try:
                urllib.request.urlopen(f"{address}/api/session", timeout=2)
                break
            except OSError:
                time.sleep(0.1)
        yield address
    finally:
        server.terminate()
