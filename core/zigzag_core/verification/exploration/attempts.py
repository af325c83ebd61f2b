"""What a learner could try on a slide: every click, key, drop, entry, and letting time pass."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Literal, TypedDict, cast

from zigzag_core.course import Input
from zigzag_core.engine.index import Index
from zigzag_core.engine.learner import at_hand
from zigzag_core.engine.run import Run
from zigzag_core.engine.state import State
from zigzag_core.grading.solutions import right_response, wrong_response
from zigzag_core.grading.tally import Given
from zigzag_core.program import COURSE, ProgramElement, ProgramRule, ProgramSlide
from zigzag_core.program.events import Event

from .comparisons import Comparisons

LONG = 130_000
"""So much time (ms) passes at once: more than gates and learners wait."""
MOST_VALUES = 8


class Watched(TypedDict):
    """A video or sound is watched to its end, `ms` long."""

    event: Literal["watched"]
    target: str
    ms: int


class Answers(TypedDict):
    """A whole question is answered."""

    event: Literal["answers"]
    question: str
    given: Given


Attempt = Event | Watched | Answers


@dataclass(frozen=True)
class Attempts:
    """`events` are tried in every situation in which their element is at hand."""

    index: Index
    slide: ProgramSlide
    events: tuple[Attempt, ...]
    timed: bool

    def of(self, state: State) -> Iterator[Attempt]:
        """Yield what can be tried in `state`."""
        run = Run(self.index, state, None)
        for event in self.events:
            # A whole video is watched, a whole question answered, wherever they are.
            free = event["event"] in ("watched", "answers")
            target = cast(Mapping[str, Any], event).get("target")
            if free or target is None or at_hand(run, target):
                yield event
        for overlay in reversed(state.overlays):
            found = self.index.overlays[overlay]
            if found.on_escape or found.on_outside:
                yield {"event": "close", "target": overlay}
            break
        if self.timed or state.waiting:
            moment = self._next_moment(state)
            if moment:
                yield {"event": "tick", "ms": moment}
            yield {"event": "tick", "ms": LONG}
        yield {"event": "next"}

    def _next_moment(self, state: State) -> int | None:
        """The ms to the next cue, end or wait."""
        found = [wait.due - state.time for wait in state.waiting]
        for owner, time in state.clocks.items():
            clock = self.index.clocks.get(owner)
            if clock and time.runs:
                found += [at - time.at for at in (*(cue.at for cue in clock.cues), clock.length)]
        return min((ms for ms in found if ms > 0), default=None)


def attempts_on(
    index: Index, slide: ProgramSlide, asked_of: Comparisons, rules: Sequence[ProgramRule],
    timed: bool,
) -> Attempts:
    """Return all that can be tried on `slide`, where `rules` may run.

    It is `timed` where conditions ask for the time.
    """
    heard: dict[str | None, set[str]] = {}
    for rule in rules:
        heard.setdefault(rule.target, set()).add(rule.on)
    events: list[Attempt] = []
    for name in index.on_slide[slide.id]:
        events += _on_element(index.elements[name], heard.get(name, set()), index, asked_of)
    for grader in index.program.questions:
        if grader.slide == slide.id and grader.form != "choose":
            events += [{"event": "answers", "question": grader.id, "given": given}
                       for given in (right_response(grader), wrong_response(grader)) if given]
    events += [{"event": "key", "key": key} for key in sorted({
        rule.detail for rule in rules if rule.on == "key_pressed" and rule.detail
    })]
    clocked = any(owner in index.clocks or owner in index.timers
                  for owner in (slide.id, COURSE, *(o.id for o in slide.overlays)))
    waits = any(action.do == "wait" for rule in rules for action in (*rule.then, *rule.otherwise))
    return Attempts(index, slide, tuple(events), timed or clocked or waits)


def _on_element(
    element: ProgramElement, heard: set[str], index: Index, asked_of: Comparisons
) -> Iterator[Attempt]:
    draw = element.draw
    if element.control in ("button", "choice", "check") or heard & {"clicked"}:
        yield {"event": "clicked", "target": draw.id}
    if "double_clicked" in heard:
        yield {"event": "double_clicked", "target": draw.id}
    if heard & {"pointed_at", "pointed_away"}:
        yield {"event": "pointed", "target": draw.id, "away": False}
        yield {"event": "pointed", "target": draw.id, "away": True}
    if isinstance(draw, Input) and element.control == "input":
        for value in _values(draw, asked_of):
            yield {"event": "entered", "target": draw.id, "value": value}
    elif element.control == "wiper":
        yield {"event": "entered", "target": draw.id, "value": 100}
    if draw.drag:
        for target in (*draw.drag.targets, None):
            yield {"event": "dropped", "target": draw.id, "on": target, "x": 40, "y": 40}
    if draw.kind in ("video", "audio"):
        media = index.program.media.get(getattr(draw, "media", None) or "")
        yield {"event": "watched", "target": draw.id,
               "ms": min(media.duration if media else 0, 600_000) or 1_000}


def _values(field: Input, asked_of: Comparisons) -> tuple[Any, ...]:
    """Values to enter: the ends, and both sides of everything that a rule compares with."""
    if field.input == "checkbox":
        return (True, False)
    if field.input == "choice":
        return tuple(field.options[:MOST_VALUES])
    compared = sorted(asked_of.compared.get(field.variable or "", ()), key=str)
    if field.input == "text":
        return ("", "x", *(value for value in compared if isinstance(value, str)))[:MOST_VALUES]
    numbers = [value for value in compared if isinstance(value, (int, float))]
    around = [n + d for n in numbers for d in (0, -1, 1)]
    return tuple(dict.fromkeys((field.low, field.high, *around)))[:MOST_VALUES]
