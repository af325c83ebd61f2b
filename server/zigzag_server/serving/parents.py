"""Processes that end with the one that started them, even when that one is killed."""

import ctypes
import os
import signal
import sys
from functools import cache

_SET_DEATH_SIGNAL = 1
"""``PR_SET_PDEATHSIG`` of Linux, see *prctl(2)*."""


@cache
def forks_die_with_parent() -> None:
    """Have each process that is forked from this one on, and from those, end with its parent.

    That is the process that forked it; a thread that forks must live as long as its process. Does
    nothing on other systems than Linux.
    """
    forking = 0

    def before() -> None:
        nonlocal forking
        forking = os.getpid()

    if sys.platform == "linux":
        os.register_at_fork(before=before, after_in_child=lambda: _die_with(forking))


def _die_with(parent: int) -> None:
    ctypes.CDLL(None).prctl(_SET_DEATH_SIGNAL, signal.SIGKILL)
    if os.getppid() != parent:
        # It ended before this process could ask for that.
        os.kill(os.getpid(), signal.SIGKILL)


def is_alive(process: int) -> bool:
    """Return whether there is a process of this number on this host."""
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True
