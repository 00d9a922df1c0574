"""The server is killed (no signal it could hear) while four writers touch the stove, and started again: is every touch it had acknowledged there, each once?

.venv/bin/python scripts/killed.py [times]
"""

from __future__ import annotations

import http.client
import json
import os
import random
import signal
import sys
import tempfile
import threading
import time
from datetime import UTC, datetime, timedelta

from bench import House


def main(times: int = 30) -> int:
    chance = random.Random(1)
    acknowledged = lost = doubled = 0
    with tempfile.TemporaryDirectory() as data:
        house = House(data)
        for n in range(times):
            cooking = _cooking(house, n)
            taken: list[str] = []
            writers = [
                threading.Thread(target=_touch, args=(house.another(), cooking, f"{n}-{w}", taken)) for w in range(4)
            ]
            for w in writers:
                w.start()
            time.sleep(chance.uniform(0.3, 1.3))
            # the worker with its master
            os.killpg(house.server.pid, signal.SIGKILL)
            house.server.wait()
            for w in writers:
                w.join()
            cookies = house.cookies
            house = House(data)
            house.cookies = cookies
            notes = [x["text"] for x in json.loads(house.ask("GET", f"/api/cookings/{cooking}"))["state"]["notes"]]
            acknowledged += len(taken)
            lost += len(set(taken) - set(notes))
            doubled += len(notes) - len(set(notes))
            # the next one is a cooking of its own
            house.ask(
                "POST",
                f"/api/cookings/{cooking}/events",
                {"events": [{"id": f"killed-ended-{n}", "kind": "ended", "data": {}}]},
            )
        house.server.terminate()
        house.server.wait()
    print(
        f"killed {times} times with four writers: {acknowledged} touches acknowledged, {lost} lost, {doubled} doubled"
    )
    return int(bool(lost or doubled or not acknowledged))


def _cooking(house: House, n: int) -> int:
    shifts = json.loads(house.ask("GET", "/api/shifts"))
    serve_at = (datetime.now(UTC) + timedelta(hours=3)).isoformat()
    asked = {"client_id": f"killed-{n}-{time.time()}", "dishes": [{"key": str(shifts[-1]["id"])}], "serve_at": serve_at}
    return int(json.loads(house.ask("POST", "/api/cookings", asked))["id"])


def _touch(mine: House, cooking: int, writer: str, taken: list[str]) -> None:
    """Touches until the server is gone; what it answered for is written down."""
    for n in range(10_000):
        said = f"killed-{writer}-{n}"
        try:
            mine.ask(
                "POST",
                f"/api/cookings/{cooking}/events",
                {"events": [{"id": said, "kind": "note", "data": {"text": said}}]},
            )
        except (OSError, http.client.HTTPException):
            return
        taken.append(said)


if __name__ == "__main__":
    sys.exit(main(*map(int, sys.argv[1:])))
