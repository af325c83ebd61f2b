"""Processes that are kept running: begun anew when they break off, ended with this one."""

import os
import signal
import time
from collections.abc import Callable
from types import FrameType

from .parents import forks_die_with_parent

_TOO_SOON = 1.0
"""A process that ends within so many seconds is begun anew only after so many."""

Run = Callable[[], object]
"""What a process does until it ends."""


class Stop(Exception):
    """This process was asked to stop."""


def keep_running(runs: list[Run]) -> None:
    """Run each of `runs` in a process of its own until this one is asked to stop.

    A process that ends meanwhile is begun anew. Returns when all have ended. This process must
    have no threads and no open connections, which do not live through a fork.
    """
    forks_die_with_parent()
    running: dict[int, tuple[Run, float]] = {}
    before = {number: signal.signal(number, _stop) for number in (signal.SIGINT, signal.SIGTERM)}
    try:
        for run in runs:
            running[_begin(run)] = (run, time.monotonic())
        while True:
            process, _ = os.wait()
            if process in running:
                run, begun = running.pop(process)
                time.sleep(max(0.0, _TOO_SOON - (time.monotonic() - begun)))
                running[_begin(run)] = (run, time.monotonic())
    except Stop:
        for number in before:
            signal.signal(number, signal.SIG_IGN)
        _end(list(running))
    finally:
        for number, handler in before.items():
            signal.signal(number, handler)


def _stop(number: int, frame: FrameType | None) -> None:
    raise Stop


def _begin(run: Run) -> int:
    process = os.fork()
    if process:
        return process
    code = 1
    try:
        # A terminal sends Ctrl+C to a whole group. It is for the first process, which tells
        # the others to end in its own way.
        os.setpgrp()
        for number in (signal.SIGINT, signal.SIGTERM):
            signal.signal(number, signal.SIG_DFL)
        run()
        code = 0
    finally:
        os._exit(code)


def _end(processes: list[int]) -> None:
    for process in processes:
        os.kill(process, signal.SIGTERM)
    for process in processes:
        os.waitpid(process, 0)
