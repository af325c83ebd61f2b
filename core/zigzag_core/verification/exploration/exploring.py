"""What can happen on the slides of a course, found by trying what learners can do.

Each slide is tried on its own. A slide that stands alone (`dependence`) does the same however it
is entered, so that is all there is to know of it. Where slides depend on each other, the whole
course is tried from its beginning: situations are compared by all that the program asks anywhere,
and slides that hand on nothing are passed through. New things come first (Lipovetzky and
Geffner's novelty: a situation in which something is so for the first time). Both searches are
bounded in steps; nothing is claimed of slides that are left open.
"""

from collections import deque
from collections.abc import Hashable, Mapping
from dataclasses import replace

from zigzag_core.course.reporting import Progress, portion, telling, untold
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State, Taking
from zigzag_core.engine.ways import leads_to

from .attempts import Attempts, attempts_on
from .dependence import Dependence, dependence
from .field import Field, Leave
from .seen import Explored, Notes, SlideSeen
from .view import View

LEAST_ON_A_SLIDE = 40
STEPS_ALONE = 12_000
STEPS_TOGETHER = 12_000
TURN = 60
"""Slides that are tried together take turns of so many steps."""


def explore(index: Index, progress: Progress = untold) -> Explored:
    """Return what can happen in a program, within the bounds.

    Quizzes are not drawn: every slide of theirs is there. Where there are some, only slides that
    do the same however they are entered are claimed to be tried whole.
    """
    notes = Notes(index, {slide: SlideSeen(slide) for slide in index.order})
    depends = dependence(index)
    views = {slide.id: View(slide, depends) for slide in index.program.slides}
    attempts = {
        slide.id: attempts_on(slide, depends)
        for slide in telling(index.program.slides, portion(progress, 0, 0.2))
    }
    fields = {slide: Field(notes, views[slide], attempts[slide]) for slide in index.order}
    steps = _try_alone(index, fields, portion(progress, 0.2, 0.6))
    for slide in depends.alone:
        field = fields[slide]
        notes.slides[slide].whole = attempts[slide].whole and field.entered and not field.open
    if len(depends.alone) < len(index.order):
        steps += _Together(notes, depends, views, attempts).run(portion(progress, 0.6, 1))
    return Explored(slides=notes.slides, steps=steps)


def _begun(index: Index) -> State:
    """A run in which nothing is drawn, and whoever finishes a quiz has confirmed that already."""
    asked = {quiz.id: Taking(asked=True) for quiz in index.program.quizzes}
    return replace(engine.start(index, 1), draws=(), taking=asked)


def _try_alone(index: Index, fields: Mapping[str, Field], progress: Progress) -> int:
    """Try each slide as if it was all of the course; return the number of steps."""
    begun = _begun(index)
    share = max(STEPS_ALONE // max(len(fields), 1), LEAST_ON_A_SLIDE)

    def run(slide: str, budget: int) -> int:
        # However a slide is left, the learner may come back to it.
        field = fields[slide]
        return field.run(budget, lambda state: field.add(field.come(state)))

    steps = 0
    for slide in telling(index.order, progress):
        fields[slide].begin(begun)
        steps += run(slide, share)
    # What some slides have not used others may need.
    for slide in index.order:
        if fields[slide].open and steps < STEPS_ALONE:
            steps += run(slide, STEPS_ALONE - steps)
    return steps


class _Together:
    """Tries a course from its beginning, for the slides that depend on others."""

    def __init__(
        self, notes: Notes, depends: Dependence, views: Mapping[str, View],
        attempts: Mapping[str, Attempts],
    ) -> None:
        self._index = notes.index
        self._notes = notes
        self._depends = depends
        # Plain slides hand on nothing: they are passed through.
        counting = [slide for slide in self._index.order if slide not in depends.plain]
        self._fields = {
            slide: Field(notes, views[slide], attempts[slide], counting) for slide in counting}
        self._views = views
        self._through: dict[str, tuple[frozenset[str], bool]] = {}
        self._passed: set[Hashable] = set()
        self._turns: deque[str] = deque()

    def run(self, progress: Progress) -> int:
        """Try it; mark the slides that depend on others as whole if all was tried."""
        begun = _begun(self._index)
        steps = 0
        first, _ = engine.step(self._index, begun, {"event": "start"})
        self._enter(first)
        unreached = deque(self._fields)
        while steps < STEPS_TOGETHER and (self._turns or unreached):
            if self._turns:
                slide = self._turns.popleft()
                steps += self._fields[slide].run(TURN, self._left(slide))
                progress(min(steps / STEPS_TOGETHER, 1.0))
            else:
                # What nothing leads to is tried as if the course began there.
                slide = unreached.popleft()
                if not self._fields[slide].entered:
                    self._fields[slide].begin(begun)
            if self._fields[slide].open:
                self._turns.append(slide)
        # What is drawn comes in many orders, of which this is one.
        whole = not self._index.program.quizzes and not self._turns and not unreached and all(
            field.attempts.whole for field in self._fields.values())
        for slide in self._fields.keys() - self._depends.alone:
            self._notes.slides[slide].whole = whole and self._fields[slide].entered
        return steps

    def _left(self, slide: str) -> Leave:
        def leave(state: State) -> None:
            self._enter(state)
            if state.slide not in self._fields:
                self._enter(self._fields[slide].come(state))

        return leave

    def _enter(self, state: State) -> None:
        """The learner has come to another slide, and through plain ones to those behind."""
        coming = [state]
        while coming:
            state = coming.pop()
            slide = state.slide or ""
            if slide in self._fields:
                self._fields[slide].add(state)
                if slide not in self._turns:
                    self._turns.append(slide)
                continue
            behind, back = self._behind(slide)
            if back:
                behind |= self._fields.keys() & set(state.visited)
            handed_on = self._views[slide].handed_on(state)
            for name in sorted(behind):
                if (name, handed_on) not in self._passed:
                    self._passed.add((name, handed_on))
                    coming.append(self._fields[name].come(state))

    def _behind(self, plain: str) -> tuple[frozenset[str], bool]:
        """Return the slides that are not plain and that a plain one leads to, or others behind it.

        And whether any of those plain ones leads back.
        """
        if plain not in self._through:
            found: set[str] = set()
            seen, open_ = {plain}, [plain]
            while open_:
                for after in leads_to(self._index, open_.pop(), self._index.ordered(())):
                    if after in self._fields:
                        found.add(after)
                    elif after not in seen:
                        seen.add(after)
                        open_.append(after)
            back = any(self._depends.leads_back(slide) for slide in seen)
            self._through[plain] = frozenset(found), back
        return self._through[plain]
