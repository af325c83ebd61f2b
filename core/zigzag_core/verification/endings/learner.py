"""A learner who takes a course to its end in one manner, so that it is seen what is told of it."""

from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import islice
from typing import Literal

from zigzag_core.course import Input, Nowhere
from zigzag_core.engine import engine
from zigzag_core.engine.at_hand import at_hand
from zigzag_core.engine.completion import may_change
from zigzag_core.engine.index import Index
from zigzag_core.engine.questions import timed
from zigzag_core.engine.quiz_results import taking_of
from zigzag_core.engine.quiz_ways import under_way
from zigzag_core.engine.run import Run
from zigzag_core.engine.state import Answer, State
from zigzag_core.grading.grade import is_judged
from zigzag_core.grading.solutions import responding, right_response, wrong_responses
from zigzag_core.grading.tally import Given
from zigzag_core.program import DrawAgain, Grader, ProgramElement, Submit
from zigzag_core.program.events import Event
from zigzag_core.program.limits import LIMITS
from zigzag_core.tracking.told import newly_said

from ..watching import watching

Manner = Literal["right", "wrong", "late"]
"""Answers all right, all wrong, or right, but not before the time is up where there is a limit."""

_ANSWERING: tuple[Manner, ...] = ("right", "wrong")

BEGAN = 1_764_500_000
"""When a run begins, in s since 1970: the same each time."""
_Stand = tuple[State, int, tuple[str, ...], bool, Counter[str]]
_MOST_TRIES = 12
"""So often at most one question is answered wrong."""
_MOST_CLICKS = 60
"""So many things at most are clicked on one visit to a slide."""
_LONG = 3_600_000
"""So long (ms) is waited at a gate that nothing else has opened."""
_MOST_TURNS = 400
"""So many replies at most are given in one dialogue."""
_TYPED = {"text": "x", "long": "x", "name": "Ada", "mail": "ada@example.org", "date": "2030-01-31"}


@dataclass(frozen=True)
class Fork:
    """A way to be taken from one slide to another."""

    source: str
    target: str


class Learner:
    """One run; `state` is what it has come to.

    So many `answers` were judged, and `said` are the verbs of cmi5 in their order. `taken`: the
    learner came by the fork that was to be taken. `stuck`: the gate of the last slide is closed.
    """

    def __init__(
        self, index: Index, manner: Manner, fork: Fork | None = None, seed: int = 1
    ) -> None:
        self.index, self.manner, self.fork = index, manner, fork
        self.state = engine.start(index, seed)
        self.answers = 0
        self.said: list[str] = []
        self.taken = False
        self.stuck = False
        self._replied: Counter[str] = Counter()

    def does(self, event: Event) -> bool:
        """Let `event` happen; return whether another slide is shown now, or the course left."""
        before = self.state
        self.state, effects = engine.step(self.index, before, event)
        self.answers += sum(effect["effect"] == "answered" for effect in effects)
        if may_change(self.index, before, self.state):
            self.said += newly_said(self.index, self.state, self.said)
        return self.state.slide != before.slide or self.state.ended

    def begins(self) -> None:
        """Open the course."""
        self.does({"event": "start", "now": BEGAN})

    def takes(self, slides: int | None = None) -> None:
        """Go through the course, to its end or until so many slides were seen."""
        self.begins()
        for _ in range(3 * len(self.index.order) + 20):
            enough = slides is not None and len(self.state.visited) >= slides
            if enough or self.state.ended or not self._goes_through():
                return

    def _goes_through(self) -> bool:
        """Do what there is to do on a slide, and go on; return whether there was a way."""
        here = self.state.slide or ""
        if self.fork is not None and here == self.fork.source and not self.taken:
            self.taken = self._takes_fork(self.fork)
            if self.taken:
                return True
        return self._leaves(here)

    def _takes_fork(self, fork: Fork) -> bool:
        """Try to get to where the fork leads: by what is there, else by answers of either kind."""
        manner, kept = self.manner, self._stand()
        for tried in (None, *_ANSWERING):
            if tried is None:
                self._tries(self._offered(), fork.target)
            else:
                self.manner = tried
                self._leaves(fork.source)
            self.manner = manner
            if self.state.slide == fork.target:
                return True
            self._go_back(kept)
        return False

    def _stand(self) -> _Stand:
        return self.state, self.answers, tuple(self.said), self.stuck, Counter(self._replied)

    def _go_back(self, stand: _Stand) -> None:
        """Let what was tried since then not have happened."""
        self.state, self.answers, said, self.stuck, replied = stand
        self.said, self._replied = list(said), Counter(replied)

    def _leaves(self, here: str) -> bool:
        """Do what there is to do on the slide, and go on by any way; return whether there was one.
        """
        if self._lets_time_pass() or self._talks() or self._watches() or self._answers():
            return True
        if self._goes_on() or self._tries(self._offered()):
            return True
        if engine.gate_is_open(self.index, self.state, here):
            return False
        if self.does({"event": "tick", "ms": _LONG}) or self._goes_on():
            return True
        self.stuck = True
        return False

    def _goes_on(self) -> bool:
        """Go on by *next*, and close what opens on the way."""
        return (self._closes() or self.does({"event": "next"}) or self._closes()
                or self._moves_on_in_time() or self.does({"event": "next"}))

    def _closes(self) -> bool:
        """Close the overlays that are open: by their own button, where there is no other way."""
        here = self.state.slide
        for _ in range(len(self.index.overlays)):
            if self.state.slide != here or self.state.ended:
                return True
            if not self.state.overlays:
                return False
            top = self.state.overlays[-1]
            self.does({"event": "close", "target": top})
            if top in self.state.overlays and not self._clicks_in(top):
                return False
        return self.state.slide != here

    def _clicks_in(self, overlay: str) -> bool:
        """Click what is in an overlay, until it closes; return whether it did."""
        here = self.state.slide
        for element in self.index.overlays[overlay].elements:
            if self._reaches(element.draw.id) and element.control == "button":
                self.does({"event": "clicked", "target": element.draw.id})
                if overlay not in self.state.overlays or self.state.slide != here:
                    return True
        return False

    def _moves_on_in_time(self) -> bool:
        """Let what goes by time come to its end."""
        if not (self.state.clocks or self.state.waiting):
            return False
        longest = max((self.index.clocks[name].length for name in self.state.clocks), default=0)
        longest = max([longest, *(wait.due - self.state.time for wait in self.state.waiting)])
        return self.does({"event": "tick", "ms": longest + 1})

    def _lets_time_pass(self) -> bool:
        """Who is late does nothing until the time of the question, or of its quiz, is up."""
        if self.manner != "late":
            return False
        quiz = under_way(self.index, self.state)
        for _ in range(_MOST_TRIES):
            limited = quiz and quiz.time_limit and not taking_of(self.state, quiz).finished
            if not limited and not timed(Run(self.index, self.state, None)):
                return False
            if self.does({"event": "tick", "ms": LIMITS.longest_tick}):
                return True
        return False

    def _watches(self) -> bool:
        """Watch all videos and listen to all audio, to the end."""
        for name in self.index.on_slide[self.state.slide or ""]:
            element = self.index.elements[name]
            if element.draw.kind not in ("video", "audio") or not self._reaches(name):
                continue
            pieces = self.index.pieces_of(name)
            for event in watching(name, 0, pieces[-1][1] if pieces else 1_000, ends=True):
                if self.does(event):
                    return True
        return False

    def _answers(self) -> bool:
        """Answer the questions of the slide; return whether that led on to another one."""
        for grader in self.index.program.questions:
            if grader.slide == self.state.slide and self._answers_one(grader):
                return True
        return False

    def _answers_one(self, grader: Grader) -> bool:
        for given in islice(self._responses(grader), _MOST_TRIES):
            answer = self.state.answers.get(grader.id, Answer())
            if answer.locked:
                return False
            if self._all(responding(grader, given, answer.given)) or self._submits(grader):
                return True
            if grader.on_leaving or self.state.answers.get(
                    grader.id, Answer()).attempts == answer.attempts:
                # Judged when it is left; or nothing that can be done has it judged.
                return False
            if self._closes():
                return True
        return False

    def _responses(self, grader: Grader) -> Iterator[Given]:
        """What is answered, one try after the other."""
        if self.manner == "wrong" and is_judged(grader):
            yield from wrong_responses(grader)
        else:
            yield right_response(grader)

    def _submits(self, grader: Grader) -> bool:
        """Click what has an answer judged."""
        for name in self.index.on_slide[grader.slide]:
            element = self.index.elements[name]
            if self._reaches(name) and any(
                    isinstance(action, Submit) and action.question == grader.id
                    for rule in element.rules if rule.on == "clicked" for action in rule.then):
                return self.does({"event": "clicked", "target": name})
        return False

    def _talks(self) -> bool:
        """Talk, in each dialogue, to an end."""
        for dialogue in self.index.slides[self.state.slide or ""].dialogues:
            for _ in range(_MOST_TURNS):
                there = [self.index.elements[name] for name in dialogue.buttons
                         if self._reaches(name)]
                if not there:
                    break
                if self.does({"event": "clicked", "target": self._best(there)}):
                    return True
        return False

    def _best(self, there: list[ProgramElement]) -> str:
        """The reply that gives most points; to who answers wrong, least. What was said before
        comes after what was not: a dialogue may lead back."""
        sign = 1 if self.manner == "wrong" else -1

        def rank(element: ProgramElement) -> tuple[int, float]:
            name = element.draw.id
            grader = self.index.questions.get(element.question or "")
            points = [one.points for one in grader.parts if one.id == element.part] \
                if grader else []
            return self._replied[name], sign * sum(points)

        best = min(there, key=rank).draw.id
        self._replied[best] += 1
        return best

    def _offered(self) -> Iterator[Event]:
        """What else can be done on the slide."""
        for name in self.index.on_slide[self.state.slide or ""]:
            element = self.index.elements[name]
            draw = element.draw
            if not self._reaches(name):
                continue
            if isinstance(draw, Input) and element.control == "input":
                value = True if draw.input == "checkbox" else draw.options[0] \
                    if draw.options else _TYPED.get(draw.input, draw.high)
                yield {"event": "entered", "target": name, "value": value}
            elif element.control == "wiper":
                yield {"event": "entered", "target": name, "value": 100}
            elif draw.drag and element.question is None:
                for target in draw.drag.targets:
                    yield {"event": "dropped", "target": name, "on": target, "x": 40, "y": 40}
            elif element.question is None and self._hears_clicks(element):
                yield {"event": "clicked", "target": name}
        yield {"event": "next"}

    def _hears_clicks(self, element: ProgramElement) -> bool:
        clicked = [rule for rule in element.rules if rule.on == "clicked"]
        draws = any(isinstance(action, DrawAgain) for rule in clicked for action in rule.then)
        return element.control in ("button", "check") and not draws

    def _tries(self, events: Iterable[Event], target: str | None = None) -> bool:
        """Do one thing after the other until it leads on: to the `target`, or where it is new.

        What would lead elsewhere, or out of the course, is left alone; and so is all of it on a
        slide that has no way on, where nothing leads to anything new.
        """
        here = self.state.slide or ""
        end = target is None and self._is_end(here)
        for event in islice(events, _MOST_CLICKS):
            after, _ = engine.step(self.index, self.state, event)
            if after.slide == here and not after.ended:
                if not end and after != self.state:
                    self.does(event)
                    if self._closes() or (target is None and self.does({"event": "next"})):
                        return True
            elif not after.ended and self._wanted(after, target):
                return self.does(event)
        return False

    def _wanted(self, after: State, target: str | None) -> bool:
        if target is not None:
            return after.slide == target
        return after.slide not in self.state.visited

    def _is_end(self, slide: str) -> bool:
        order = self.index.ordered(self.state.draws)
        return order.onward.get(slide) is None and not isinstance(
            self.index.slides[slide].onward, Nowhere) and not self.index.slides[slide].gate

    def _reaches(self, element: str) -> bool:
        return at_hand(Run(self.index, self.state, None), element)

    def _all(self, events: Iterable[Event]) -> bool:
        return any(self.does(event) for event in events)
