"""Processes that end with the one that started them, even when that one is killed."""

import ctypes
import os
import signal
import sys
import threading

_SET_DEATH_SIGNAL = 1
"""``PR_SET_PDEATHSIG`` of Linux, see *prctl(2)*."""


def die_with_parent() -> None:
    """Have this process killed when its parent ends. Does nothing on other systems than Linux."""
    if sys.platform == "linux":
        ctypes.CDLL(None).prctl(_SET_DEATH_SIGNAL, signal.SIGKILL)


def is_alive(process: int) -> bool:
    """Return whether there is a process of this number on this host."""
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True


def stop_at_end_of_input() -> None:
    """Have this process asked to stop (``SIGTERM``) when its standard input ends.

    The starter holds the other end of the input, which the system closes whatever ends it.
    """
    def wait() -> None:
        # Not through `sys.stdin`: processes forked meanwhile would find its lock taken.
        while os.read(0, 1_024):
            pass
        os.kill(os.getpid(), signal.SIGTERM)

    threading.Thread(target=wait, daemon=True).start()
