"""What an LMS will be told: standard ways to take a course, and what each comes to."""

from collections import Counter
from collections.abc import Callable, Iterator
from functools import partial
from typing import Literal, cast

from zigzag_core.course import CourseDocument, Walkthrough
from zigzag_core.course.model import Model
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.engine.index import Index
from zigzag_core.program.events import Event
from zigzag_core.tracking.told import Told, told

from ..route import route
from .learner import Fork, Learner, Manner

MOST_FORKS, MOST_WALKTHROUGHS = 12, 20
"""So many ways of forks, and so many walkthroughs, are taken at most."""

Kind = Literal["opened", "half", "right", "wrong", "way", "late", "walkthrough"]


class Ending(Model):
    """A way to take the course, `name`d in words, and what is `told` of it.

    The learner has seen so many `slides`; `stuck` names the slide whose gate did not open.
    `before` is what was told of the same way (the same `key`) by what was published last.
    """

    key: str
    kind: Kind
    name: str
    told: Told
    slides: int
    stuck: str = ""
    before: Told | None = None


class Endings(Model):
    """All that were tried. So many ways of forks were `left_out`."""

    endings: tuple[Ending, ...]
    left_out: int = 0


def endings_of(
    document: CourseDocument, index: Index, progress: Progress = untold
) -> Endings:
    """Return what an LMS is told of a course that was compiled to the program of `index`.

    The ways of its forks and its walkthroughs are those of `document`, which may be a later state
    of the course: a way that is not there is left out.

    `progress` is told the share of the ways that were taken.
    """
    forks = _forks(document)
    walks = document.course.walkthroughs[:MOST_WALKTHROUGHS]
    taking = _Taking(document, index)
    ways: list[Way] = [
        *taking.standard(), *(partial(taking.way, fork) for fork in forks[:MOST_FORKS]),
        *(partial(taking.walk, walk) for walk in walks)]
    found = [way() for way in telling(ways, progress)]
    return Endings(
        endings=tuple(ending for ending in found if ending),
        left_out=max(len(forks) - MOST_FORKS, 0))


def beside(now: Endings, before: Endings) -> Endings:
    """Return the endings of `now`, each with what was told of the same one `before`."""
    held = {one.key: one.told for one in before.endings}
    return now.model_copy(update={"endings": tuple(
        one.model_copy(update={"before": held.get(one.key)}) for one in now.endings)})


Way = Callable[[], Ending | None]
"""Takes the course in one way; there is no ending where that was not found."""


class _Taking:
    """Takes a course in several ways."""

    def __init__(self, document: CourseDocument, index: Index) -> None:
        self.index = index
        self.titles = {slide.id: slide.title for slide in document.slides}
        self.right = Learner(index, "right")
        self.right.takes()
        self.sections = {section.id: section.title for section in document.course.sections}

    def standard(self) -> Iterator[Way]:
        """The ways that every course has, and the time that is up, where it has limits."""
        yield self._opened
        yield self._half
        yield lambda: self._ending(self.right, "right", "All answers right")
        if self.index.program.questions:
            yield partial(self._whole, "wrong", "All answers wrong")
        program = self.index.program
        if any(quiz.time_limit for quiz in program.quizzes) or any(
                grader.time_limit for grader in program.questions):
            yield partial(self._whole, "late", "Nothing answered before the time is up")

    def way(self, fork: Fork) -> Ending | None:
        """One way of a fork, all answers right; nothing where it was not found."""
        learner = Learner(self.index, "right", fork)
        learner.takes()
        if not learner.taken:
            return None
        name = f"From “{self.titles[fork.source]}” to “{self.titles[fork.target]}”"
        return self._ending(learner, "way", name, f"{fork.source} {fork.target}")

    def walk(self, walk: Walkthrough) -> Ending:
        """A walkthrough of the author's."""
        learner = Learner(self.index, "right", seed=walk.seed)
        for event in walk.events:
            try:
                learner.does(cast(Event, event))
            except (KeyError, TypeError, ValueError):
                # An event that the engine cannot read is one that this course no longer knows.
                continue
        return self._ending(learner, "walkthrough", f"Walkthrough “{walk.name}”", walk.id)

    def _opened(self) -> Ending:
        learner = Learner(self.index, "right")
        learner.begins()
        return self._ending(learner, "opened", "Opened, and left at once")

    def _half(self) -> Ending | None:
        half = len(self.right.state.visited) // 2
        if half < 2:
            return None
        learner = Learner(self.index, "right")
        learner.takes(half)
        return self._ending(learner, "half", "Left half-way")

    def _whole(self, manner: Manner, name: str) -> Ending:
        learner = Learner(self.index, manner)
        learner.takes()
        return self._ending(learner, manner, name)

    def _ending(self, learner: Learner, kind: Kind, name: str, of: str = "") -> Ending:
        state = learner.state
        stuck = self.index.slides.get(state.slide or "") if learner.stuck else None
        return Ending(
            key=f"{kind} {of}".strip(), kind=kind, name=name, slides=len(state.visited),
            told=told(self.index, state, learner.answers, learner.said, self.sections),
            stuck=stuck.title if stuck else "")


def _forks(document: CourseDocument) -> list[Fork]:
    """The ways from slides that lead to several others."""
    pairs = list(dict.fromkeys((way.source, way.target) for way in route(document).ways))
    several = Counter(source for source, _ in pairs)
    return [Fork(source, target) for source, target in pairs if several[source] > 1]
