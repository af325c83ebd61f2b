"""What a learner could try on a slide: every click, key, drop, entry, and letting time pass."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Any, Literal, TypedDict, cast

from zigzag_core.course import Input
from zigzag_core.engine.at_hand import at_hand
from zigzag_core.engine.index import Index
from zigzag_core.engine.moving import may_go
from zigzag_core.engine.questions import time_left, timed
from zigzag_core.engine.run import Run
from zigzag_core.engine.state import State
from zigzag_core.grading.solutions import right_response, wrong_response
from zigzag_core.grading.tally import Given
from zigzag_core.program import COURSE, Grader, ProgramElement, ProgramRule, ProgramSlide
from zigzag_core.program.events import Event

from .comparisons import Comparisons, around
from .dependence import Dependence

MOST_VALUES = 24
"""Of an input's values no more are tried."""

class Watched(TypedDict):
    """A video or sound is watched from `since` to `ms`; there it `ends`, or is paused."""

    event: Literal["watched"]
    target: str
    since: int
    ms: int
    ends: bool


class Answers(TypedDict):
    """A whole question is answered."""

    event: Literal["answers"]
    question: str
    given: Given


Attempt = Event | Watched | Answers


@dataclass(frozen=True)
class Attempts:
    """`events` are tried in every situation in which their element is at hand.

    They are `whole` if whatever else a learner could do there comes to the same. `moments` are the
    times on the slide (ms) that conditions ask for. `back`: slides that were seen can be come to.
    """

    index: Index
    slide: ProgramSlide
    events: tuple[Attempt, ...]
    moments: tuple[int, ...]
    whole: bool
    back: bool

    def of(self, state: State) -> Iterator[Attempt]:
        """Yield what can be tried in `state`, the way onward last."""
        run = Run(self.index, state, None)
        for event in self.events:
            # A whole video is watched, a whole question answered, wherever they are.
            free = event["event"] in ("watched", "answers")
            target = cast(Mapping[str, Any], event).get("target")
            if free or target is None or at_hand(run, target):
                yield event
        if state.overlays:
            found = self.index.overlays[state.overlays[-1]]
            if found.on_escape or found.on_outside:
                yield {"event": "close", "target": found.id}
        yield from self._led_on(state)
        moment = self._next_moment(run)
        if moment is not None:
            yield {"event": "tick", "ms": moment}
        yield {"event": "next"}

    def ways(self, state: State, slides: Sequence[str]) -> Iterator[Event]:
        """Yield the ways that *Back* and the menu open from `state`, as far as to `slides`.

        By *Back*, often enough, the learner comes to any slide that was seen.
        """
        shown, here = self.index.program.navigation, self.slide.navigation
        if shown.previous if here.previous is None else here.previous:
            yield {"event": "previous"}
        menu = shown.menu if here.menu is None else here.menu
        for slide in slides:
            if slide != state.slide and (
                    may_go(self.index, state, slide) if menu
                    else self.back and slide in state.visited):
                yield {"event": "slide", "target": slide}

    def _led_on(self, state: State) -> Iterator[Watched]:
        """What leads a timing is watched as far as to the next cue: each has its effect."""
        for owner in (state.slide or "", *state.overlays):
            clock = self.index.clocks.get(owner)
            if clock is None or clock.follows is None:
                continue
            at = state.clocks[owner].at if owner in state.clocks else -1
            moments = (*(cue.at for cue in clock.cues), clock.length)
            ahead = min((moment for moment in moments if moment > at), default=None)
            if ahead is not None:
                yield {"event": "watched", "target": clock.follows, "since": max(at, 0),
                       "ms": max(ahead, 1), "ends": ahead == clock.length}

    def _next_moment(self, run: Run) -> int | None:
        """The ms to the next cue, end, wait, limit, or time that is asked for."""
        state = run.state
        found = [wait.due - state.time for wait in state.waiting]
        for owner, time in state.clocks.items():
            clock = self.index.clocks.get(owner)
            if clock and time.runs:
                found += [at - time.at for at in (*(cue.at for cue in clock.cues), clock.length)]
        found += [time_left(grader, state) for grader in timed(run)]
        found += [moment - (state.time - state.entered) for moment in self.moments]
        return min((ms for ms in found if ms > 0), default=None)


def attempts_on(slide: ProgramSlide, depends: Dependence) -> Attempts:
    """Return all that can be tried on `slide`."""
    index = depends.index
    rules = depends.rules_on(slide.id)
    heard: dict[str | None, set[str]] = {}
    for rule in rules:
        heard.setdefault(rule.target, set()).add(rule.on)
    events: list[Attempt] = []
    whole = not depends.chance
    quiet = {
        grader.id for grader in index.program.questions
        if grader.slide == slide.id and grader.form == "choose"
        and _says_all(grader, rules, depends) and _are_only_chosen(grader, rules, depends)}
    answered = {part.element for name in quiet for part in index.questions[name].parts}
    for name in index.on_slide[slide.id]:
        if name in answered:
            continue
        found, all_of_it = _on_element(index.elements[name], heard.get(name, set()), depends)
        events += found
        whole = whole and all_of_it
    for grader in index.program.questions:
        if grader.slide == slide.id and (grader.form != "choose" or grader.id in quiet):
            events += [{"event": "answers", "question": grader.id, "given": given}
                       for given in _responses(grader) if given]
            whole = whole and _says_all(grader, rules, depends)
    events += [{"event": "key", "key": key} for key in sorted({
        rule.detail for rule in rules if rule.on == "key_pressed" and rule.detail
    })]
    asked_of = depends.asked_of
    seconds = {*asked_of.numbers("seconds_on", slide.id), *asked_of.numbers("live", "seconds"),
               *(60 * n for n in asked_of.numbers("live", "minutes"))}
    exact = {("seconds_on", slide.id), ("live", "seconds"), ("live", "minutes")} & asked_of.exact
    moments = tuple(sorted(int(n * 1_000) + more for n in seconds for more in (0, 1_000)))
    whole = whole and not exact and not _overlap(slide, rules, index)
    return Attempts(index, slide, tuple(events), moments, whole, depends.leads_back(slide.id))


def _overlap(slide: ProgramSlide, rules: Sequence[ProgramRule], index: Index) -> bool:
    """Whether what a learner sets going can fall between other things that go by time."""
    waits = sum(action.do == "wait" for rule in rules for action in (*rule.then, *rule.otherwise))
    own = sum(overlay.clock is not None for overlay in slide.overlays)
    given = (slide.clock is not None) + (COURSE in index.timers) + (slide.id in index.timers)
    return waits + own > 0 and waits + own + given > 1


def _responses(grader: Grader) -> tuple[Given, ...]:
    """A right response, one that is right in part, and a wrong one."""
    right = right_response(grader)
    if grader.form == "order":
        return right, (*right[:-2], *reversed(right[-2:])), wrong_response(grader)
    return right, right[:-1], wrong_response(grader)


def _says_all(grader: Grader, rules: Sequence[ProgramRule], depends: Dependence) -> bool:
    """Whether nothing asks more of a question than whether it was answered, and right."""
    asked_of = depends.asked_of
    if any(rule.on == "answered_partly" and not rule.block and rule.target in (None, grader.id)
           for rule in rules):
        return False
    return not depends.points and grader.id not in asked_of.given and not any(
        asked_of.asks(fact, grader.id) for fact in ("earned", "row"))


def _are_only_chosen(
    grader: Grader, rules: Sequence[ProgramRule], depends: Dependence
) -> bool:
    """Whether nothing else hears of the answers that are clicked: whole responses will do."""
    elements = {part.element for part in grader.parts}
    return elements.isdisjoint(depends.asked) and not any(
        rule.target in elements and not rule.block for rule in rules
    ) and not any(rule.on == "clicked" and rule.target is None for rule in rules)


def _on_element(
    element: ProgramElement, heard: set[str], depends: Dependence
) -> tuple[list[Attempt], bool]:
    """What can be done with an element, and whether that is all."""
    draw = element.draw
    events: list[Attempt] = []
    whole = True
    if element.control in ("button", "choice", "check") or heard & {"clicked"}:
        events.append({"event": "clicked", "target": draw.id})
    if "double_clicked" in heard:
        events.append({"event": "double_clicked", "target": draw.id})
    if heard & {"pointed_at", "pointed_away"}:
        events.append({"event": "pointed", "target": draw.id, "away": False})
        events.append({"event": "pointed", "target": draw.id, "away": True})
    if isinstance(draw, Input) and element.control == "input":
        values, whole = _values(draw, depends.asked_of)
        events += [{"event": "entered", "target": draw.id, "value": value} for value in values]
    elif element.control == "wiper":
        wiped = around(depends.asked_of.numbers("variable", element.variable or ""), 0, 100)
        events += [{"event": "entered", "target": draw.id, "value": value} for value in wiped[1:]]
    if draw.drag:
        for target in (*draw.drag.targets, None):
            events.append({"event": "dropped", "target": draw.id, "on": target, "x": 40, "y": 40})
    if draw.kind in ("video", "audio"):
        pieces = depends.index.pieces_of(draw.id) or ((0, 1_000),)
        shares = [share for share in depends.asked_of.numbers("watched", draw.id) if 0 < share < 1]
        events += [{"event": "watched", "target": draw.id, "since": 0,
                    "ms": _place_of(share, pieces), "ends": True}
                   for share in (*shares, 1)]
        whole = ("watched", draw.id) not in depends.asked_of.exact
    return events, whole


def _place_of(share: float, pieces: Sequence[tuple[int, int]]) -> int:
    """Return how far (ms) one has to play from the begin until `share` of `pieces` was played."""
    wanted = ceil(share * sum(until - since for since, until in pieces))
    for since, until in pieces:
        if wanted <= until - since:
            return since + wanted
        wanted -= until - since
    return pieces[-1][1]


_TYPED = {"text": "x", "long": "x", "name": "x", "mail": "x@example.org", "date": "2030-01-31"}
"""What a learner enters into inputs for text, by their kind."""


def _values(field: Input, asked_of: Comparisons) -> tuple[list[Any], bool]:
    """Values to enter, one for each difference that they make; and whether these are all."""
    fact = ("variable", field.variable or "")
    exact = fact in asked_of.exact
    compared = asked_of.compared.get(fact, set())
    if field.input == "checkbox":
        return [True, False], True
    if field.input == "choice":
        options = list(field.options)
        if not exact:
            other = [option for option in options if option not in compared][:1]
            options = [option for option in options if option in compared] + other
        return options[:MOST_VALUES], len(options) <= MOST_VALUES
    if field.input in _TYPED:
        words = sorted(value for value in compared if isinstance(value, str))
        values = ["", _TYPED[field.input], *words]
        return values[:MOST_VALUES], not exact and len(values) <= MOST_VALUES
    if exact:
        count = int((field.high - field.low) / field.step) + 1
        numbers = [field.low + n * field.step for n in range(min(count, MOST_VALUES))]
        return numbers, field.input == "slider" and count <= MOST_VALUES
    numbers = around(asked_of.numbers(*fact), field.low, field.high)
    return numbers[:MOST_VALUES], len(numbers) <= MOST_VALUES
