"""Python in which the clock is as far off as a file says, in s. `make faults` moves it with that.

Python takes in a module of this name at its start, where `PYTHONPATH` has its folder.
"""

import os
import threading
import time
from datetime import UTC, datetime
from pathlib import Path

import time_machine

LOOK = 0.05


def follow(clock: Path) -> None:
    """Have the clock of this process, and of those forked from it, follow the file."""
    at_start = datetime.now(UTC).timestamp() - time.monotonic()
    coordinates = time_machine.travel(datetime.now(UTC), tick=True).start()

    def look() -> None:
        off: float | None = None
        while True:
            now = float(clock.read_text())
            if now != off:
                off = now
                coordinates.move_to(at_start + time.monotonic() + off)
            time.sleep(LOOK)

    def begin() -> None:
        threading.Thread(target=look, daemon=True).start()

    os.register_at_fork(after_in_child=begin)
    begin()


follow(Path(os.environ["ZIGZAG_TEST_CLOCK"]))
