"""The kinds of jobs. Each app declares its own in its module `jobs`."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from zigzag_core.course.reporting import Progress

Report = Callable[[float, str], None]
"""Takes how much is done, from 0 to 1, and what is being done now. Ends a cancelled job."""

Finish = Callable[[], dict[str, Any]]
"""Stores what was worked out, in a transaction of its own, and returns the result as JSON."""

Work = Callable[..., Finish]
"""Takes the owner, a `Report` and the arguments of the job. Computes without any lock."""


@dataclass(frozen=True)
class Kind:
    """A kind of job.

    `seconds` is how long it may run at most. A higher `priority`, from 0 to 2, runs first; with
    0 nobody waits for it, and it runs in the background. Of a kind that is `replaced`, a newer
    job for a course ends an older one that is not finished.
    """

    name: str
    work: Work
    title: str
    seconds: int
    priority: int
    replaced: bool
    cleanup: Callable[[dict[str, Any]], None] | None


KINDS: dict[str, Kind] = {}


def kind(
    name: str, title: str, *, seconds: int = 600, priority: int = 1, replaced: bool = False,
    cleanup: Callable[[dict[str, Any]], None] | None = None,
) -> Callable[[Work], Work]:
    """Declare the function below as the work of jobs of kind `name`.

    `title` says in a few words what is done, such as "Publishing". `cleanup` gets the arguments
    when a job has ended, whatever its end.
    """
    def declare(work: Work) -> Work:
        KINDS[name] = Kind(name, work, title, seconds, priority, replaced, cleanup)
        return work
    return declare


class Ended(Exception):
    """The job was cancelled, or taken over, while it was running."""


class Again(Exception):
    """What the work rests on has changed while it was done: it is to be done once more."""


def in_words(report: Report, begin: float, end: float, words: str) -> Progress:
    """Return the `Progress` of a part of a job, from the share `begin` to `end`."""
    return lambda share: report(begin + (end - begin) * share, words)


def silent(share: float, words: str) -> None:
    """A `Report` that tells nobody, for commands."""
