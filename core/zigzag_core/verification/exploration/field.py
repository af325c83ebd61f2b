"""One slide that is tried out: what is known of it, and what is still to be tried."""

from collections import deque
from collections.abc import Callable, Hashable, Iterable, Iterator, Sequence
from dataclasses import dataclass, field

from zigzag_core.engine import engine
from zigzag_core.engine.following import follow_up
from zigzag_core.engine.index import Index
from zigzag_core.engine.moving import enter
from zigzag_core.engine.run import Run
from zigzag_core.engine.state import Answer, State
from zigzag_core.grading.solutions import responding
from zigzag_core.program.events import Effect, Event, Ran

from ..watching import watching
from .attempts import Attempt, Attempts
from .seen import Notes
from .view import View

Leave = Callable[[State], None]
"""Is told the state in which the slide was left, on another slide."""
RULES_PER_STEP = 10
_AWAY = ("previous", "slide")


@dataclass
class Field:
    """What was tried on a slide, and the situations in which more is to be tried.

    `ways` are the slides that *Back* and the menu are tried for.
    """

    notes: Notes
    view: View
    attempts: Attempts
    ways: Sequence[str] = ()
    entered: bool = False
    _known: set[Hashable] = field(default_factory=set)
    _atoms: set[Hashable] = field(default_factory=set)
    _gone: set[Hashable] = field(default_factory=set)
    _fresh: list[State] = field(default_factory=list)
    _later: deque[State] = field(default_factory=deque)
    _under_way: tuple[State, Iterator[Attempt]] | None = None

    @property
    def open(self) -> bool:
        """Whether there is more to try."""
        return bool(self._fresh or self._later or self._under_way)

    def begin(self, begun: State) -> None:
        """Enter the slide as if the course began there."""
        log: list[Ran] = []
        start: Event = {"event": "start", "target": self.view.slide.id}
        state, effects = engine.step(self.notes.index, begun, start, log)
        self.notes.note(log, effects, state)
        self.add(state)

    def come(self, state: State) -> State:
        """Let the learner come here from `state`, by whatever way; return where that leads."""
        log: list[Ran] = []
        run = Run(self.notes.index, state, log)
        enter(run, self.view.slide.id)
        follow_up(run)
        self.notes.note(log, run.effects, run.state)
        return run.state

    def add(self, state: State) -> None:
        """Take in a situation on this slide, if it is another one than all before."""
        if state.slide != self.view.slide.id:
            return
        self.entered = True
        atoms = tuple(self.view.atoms(state))
        if atoms in self._known:
            return
        self._known.add(atoms)
        self.notes.look(state)
        fresh = not self._atoms.issuperset(atoms)
        self._atoms.update(atoms)
        (self._fresh if fresh else self._later).append(state)

    def run(self, budget: int, leave: Leave) -> int:
        """Try things for so many steps at most; return how many it were.

        What sets off many rules takes as many steps more.
        """
        steps = 0
        while steps < budget and (found := self._next()):
            state, event = found
            log: list[Ran] = []
            after, effects = _done(self.notes.index, state, event, log)
            steps += 1 + len(log) // RULES_PER_STEP
            self.notes.note(log, effects, after)
            if after.ended or after.slide != state.slide:
                here = self.notes.slides[self.view.slide.id]
                here.left = here.left or event["event"] not in _AWAY
                if not after.ended:
                    leave(after)
            else:
                self.add(after)
        return steps

    def _next(self) -> tuple[State, Attempt] | None:
        """The next thing to try, and where."""
        while True:
            if self._under_way is None:
                if not self.open:
                    return None
                state = self._fresh.pop() if self._fresh else self._later.popleft()
                self._under_way = state, self._all(state)
            state, events = self._under_way
            event = next(events, None)
            if event is not None:
                return state, event
            self._under_way = None

    def _all(self, state: State) -> Iterator[Attempt]:
        yield from self.attempts.of(state)
        if self.ways:
            # Where they lead, only what counts elsewhere makes a difference.
            counts = self.view.handed_on(state)
            for event in self.attempts.ways(state, self.ways):
                way = event.get("target"), counts
                if way not in self._gone:
                    self._gone.add(way)
                    yield event


def _done(
    index: Index, state: State, event: Attempt, log: list[Ran]
) -> tuple[State, list[Effect]]:
    """One attempt: an event, or all events of watching a video or of answering a question."""
    parts: Iterable[Event]
    if event["event"] == "watched":
        parts = watching(event["target"], event["since"], event["ms"], event["ends"])
    elif event["event"] == "answers":
        grader = index.questions[event["question"]]
        given = state.answers.get(grader.id, Answer()).given
        parts = responding(grader, event["given"], given)
    else:
        return engine.step(index, state, event, log)
    effects: list[Effect] = []
    for part in parts:
        if state.slide is None or state.ended:
            break
        state, more = engine.step(index, state, part, log)
        effects += more
    return state, effects
