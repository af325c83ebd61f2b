"""Processes that end with the one that started them, even when that one is killed."""

import ctypes
import os
import signal
import sys

_SET_DEATH_SIGNAL = 1
"""``PR_SET_PDEATHSIG`` of Linux, see *prctl(2)*."""


def die_with_parent(parent: int) -> None:
    """Have this process killed when the one that has begun it, of number `parent`, ends.

    Does nothing on other systems than Linux.
    """
    if sys.platform == "linux":
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
