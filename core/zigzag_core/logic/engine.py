"""The reference engine: a run is a function of program, seed and events.

`step(index, state, event) -> (state, effects)` is pure. The twin of this file is
`web/player/engine/engine.ts`; traces written from here hold the two together.
"""

from collections import deque
from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from zigzag_core.assess.grade import judge
from zigzag_core.course import Input

from . import results
from .expression import evaluate
from .index import Index
from .random import fnv1a, shuffled
from .state import Answer, State
from .values import Value, admitted, fitted, to_yes_no

Effect = dict[str, Any]
Event = dict[str, Any]

FOLLOW_UPS = 1_000
"""So many events may follow from one before the run stops them."""

LONGEST_PATH = 50
"""So many slides back the learner's own way is known."""

MAX_TICK = 24 * 3_600_000


def start(index: Index, seed: int) -> State:
    """Return the state before the first event: nothing seen, variables at their defaults."""
    seed &= 0xFFFFFFFF
    defaults = {v.id: fitted(v, v.default) for v in index.program.variables}
    return State(seed=seed, rng=seed, variables=defaults)


def step(index: Index, state: State, event: Event) -> tuple[State, list[Effect]]:
    """Return the state after `event` and what the outside must do.

    Events: ``start`` (at slide `target`, or the first), ``clicked`` (element), ``entered``
    (`value` into the input `target`), ``next``, ``previous``, ``slide`` (to `target`), ``close``
    (overlay), ``tick`` (`ms` have passed), ``leave``. An event that means nothing here and now
    changes nothing.
    """
    run = _Run(index, state)
    run.take(event)
    run.follow_up()
    run.settle()
    return run.state, run.effects


def run_all(index: Index, seed: int, events: Iterable[Event]) -> State:
    """Return the state after all `events` from the beginning."""
    state = start(index, seed)
    for event in events:
        state, _ = step(index, state, event)
    return state


def choice_order(index: Index, state: State, question: str) -> tuple[str, ...]:
    """Return the choices of `question` in the order in which this learner sees them."""
    grader = index.questions[question]
    if not grader.shuffle:
        return grader.choices
    return shuffled(grader.choices, state.seed ^ fnv1a(question))


def slide_before(index: Index, state: State) -> str | None:
    """Return the slide that *previous* leads to: where the learner came from, else the one before.

    After a resume only the order of the slides is known.
    """
    if state.path:
        return state.path[-1]
    place = index.position.get(state.slide or "", 0)
    return index.order[place - 1] if place else None


def is_visible(index: Index, state: State, element: str) -> bool:
    """Return whether `element` of the current slide is shown, and the groups that it is in."""
    return _shown(index, state, element) and all(
        _shown(index, state, group) for group in index.groups_of(element)
    )


def _shown(index: Index, state: State, element: str) -> bool:
    hidden = state.hidden.get(element)
    if hidden is not None:
        return not hidden
    return to_yes_no(evaluate(index, state, index.elements[element].visible))


def is_enabled(index: Index, state: State, element: str) -> bool:
    """Return whether `element` can be clicked, as far as its own condition goes."""
    return to_yes_no(evaluate(index, state, index.elements[element].enabled))


class _Run:
    """One step in the making. Containers are replaced, never changed in place."""

    __slots__ = ("before", "effects", "index", "queue", "state")

    def __init__(self, index: Index, state: State) -> None:
        self.index = index
        self.before = self.state = state
        self.effects: list[Effect] = []
        self.queue: deque[tuple[str, str]] = deque()

    def update(self, **changes: Any) -> None:
        self.state = replace(self.state, **changes)

    # What comes from outside -------------------------------------------------------------

    def take(self, event: Event) -> None:
        kind = event["event"]
        if kind == "start":
            if self.state.slide is None and self.index.order:
                self.enter(event.get("target") or self.index.order[0])
            return
        if self.state.slide is None or self.state.ended:
            return
        if kind == "tick":
            passed = min(max(int(event["ms"]), 0), MAX_TICK)
            self.update(time=self.state.time + passed)
        elif kind == "clicked":
            self.click(event["target"])
        elif kind == "entered":
            self.enter_value(event["target"], event["value"])
        elif kind in ("next", "previous"):
            self.go(kind, None)
        elif kind == "slide":
            self.go("slide", event["target"])
        elif kind == "close":
            self.close(event["target"])
        elif kind == "leave":
            self.go("leave", None)

    def click(self, element: str) -> None:
        if not self.at_hand(element):
            return
        if element not in self.state.clicked:
            self.update(clicked=self.state.clicked | {element})
        self.queue.append(("clicked", element))

    def enter_value(self, element: str, value: Value) -> None:
        """Keep what was entered, as far as the input and its variable can hold it."""
        if not self.at_hand(element):
            return
        draw = self.index.elements[element].draw
        if isinstance(draw, Input) and draw.variable in self.index.variables:
            before = self.state.variables.get(draw.variable)
            self.set_variable(draw.variable, admitted(draw, value))
            if self.state.variables.get(draw.variable) != before:
                self.queue.append(("entered", element))

    def at_hand(self, element: str) -> bool:
        """Whether the learner can reach `element` now: here, shown, switched on, not covered."""
        index, state = self.index, self.state
        return (
            index.home.get(element) == state.slide and self.reachable(element)
            and is_visible(index, state, element) and is_enabled(index, state, element)
        )

    def reachable(self, element: str) -> bool:
        """Whether no blocking overlay lies over `element`, and its own overlay is open."""
        own = self.index.overlay_of.get(element)
        if own is not None and own not in self.state.overlays:
            return False
        for overlay in reversed(self.state.overlays):
            if overlay == own:
                return True
            if self.index.overlays[overlay].blocks:
                return False
        return True

    # What follows ------------------------------------------------------------------------

    def follow_up(self) -> None:
        handled = 0
        while self.queue:
            if handled >= FOLLOW_UPS:
                event, target = self.queue[0]
                rules = [bound.rule.id for bound in self.index.matching(event, target)]
                self.queue.clear()
                self.effects.append({"effect": "loop", "rules": rules})
                return
            handled += 1
            event, target = self.queue.popleft()
            here = self.state.slide
            for bound in self.index.matching(event, target):
                if bound.slide is not None and bound.slide != here and event != "slide_left":
                    continue
                rule = bound.rule
                holds = to_yes_no(evaluate(self.index, self.state, rule.condition))
                for action in rule.then if holds else rule.otherwise:
                    self.act(action)

    def act(self, action: Any) -> None:
        match action.do:
            case "go":
                self.go(action.to, action.slide)
            case "show" | "hide":
                if action.element in self.index.elements:
                    self.update(hidden={**self.state.hidden, action.element: action.do == "hide"})
            case "look":
                looks = {k: v for k, v in self.state.looks.items() if k != action.element}
                if action.look is not None and action.element in self.index.elements:
                    looks[action.element] = action.look
                self.update(looks=looks)
            case "set":
                self.set_variable(action.variable, action.value)
            case "open":
                self.open(action.overlay)
            case "close":
                self.close(action.overlay)
            case "choose":
                self.choose(action.question, action.choice)
            case "submit":
                self.submit(action.question)
            case "reset":
                answers = {k: v for k, v in self.state.answers.items() if k != action.question}
                self.update(answers=answers)
            case "announce":
                self.effects.append({"effect": "announce", "text": action.text})

    def go(self, to: str, slide: str | None) -> None:
        if self.state.ended:
            return
        if to == "leave":
            self.update(ended=True)
            self.effects.append({"effect": "leave"})
            return
        if to == "next":
            slide = self.index.onward[self.state.slide or self.index.order[0]]
        elif to == "previous":
            slide = slide_before(self.index, self.state)
        if slide is not None and slide != self.state.slide:
            self.enter(slide, back=to == "previous")

    def enter(self, slide: str, back: bool = False) -> None:
        if slide not in self.index.position:
            return
        path = self.state.path[:-1] if back else self.state.path
        if self.state.slide is not None:
            self.queue.append(("slide_left", self.state.slide))
            if not back:
                path = (*path, self.state.slide)[-LONGEST_PATH:]
        visited = self.state.visited
        if slide not in visited:
            visited = (*visited, slide)
        self.update(
            slide=slide, visited=visited, path=path, overlays=(), entered=self.state.time
        )
        self.queue.append(("slide_entered", slide))
        self.effects.append({"effect": "moved", "slide": slide})

    def set_variable(self, name: str, value: Any) -> None:
        variable = self.index.variables.get(name)
        if variable is None:
            return
        new = fitted(variable, evaluate(self.index, self.state, value))
        if new != self.state.variables.get(name):
            self.update(variables={**self.state.variables, name: new})
            self.queue.append(("variable_changed", name))

    def open(self, overlay: str) -> None:
        home = self.index.home.get(overlay)
        if home == self.state.slide and overlay not in self.state.overlays:
            self.update(overlays=(*self.state.overlays, overlay))
            self.queue.append(("overlay_opened", overlay))

    def close(self, overlay: str) -> None:
        if overlay in self.state.overlays:
            rest = tuple(other for other in self.state.overlays if other != overlay)
            self.update(overlays=rest)
            self.queue.append(("overlay_closed", overlay))

    def answer(self, question: str) -> Answer:
        return self.state.answers.get(question) or Answer()

    def put_answer(self, question: str, answer: Answer) -> None:
        self.update(answers={**self.state.answers, question: answer})

    def choose(self, question: str, choice: str) -> None:
        grader = self.index.questions.get(question)
        answer = self.answer(question)
        if grader is not None and not answer.locked and choice in grader.choices:
            self.put_answer(question, replace(answer, chosen=(choice,)))

    def submit(self, question: str) -> None:
        grader = self.index.questions.get(question)
        answer = self.answer(question)
        if grader is None or answer.locked or not answer.chosen:
            return
        verdict = judge(grader, answer.chosen)
        attempts = answer.attempts + 1
        used_up = grader.attempts is not None and attempts >= grader.attempts
        locked = verdict.result != "wrong" or used_up
        self.put_answer(question, replace(
            answer, attempts=attempts, result=verdict.result, points=verdict.points,
            locked=locked, since=self.state.time,
        ))
        self.effects.append({
            "effect": "answered", "question": question, "attempt": attempts,
            "chosen": list(answer.chosen), "result": verdict.result, "points": verdict.points,
            "latency": self.state.time - max(answer.since, self.state.entered),
        })
        event = {"right": "answered_right", "neutral": "answered"}.get(
            verdict.result, "answered_last" if locked else "answered_wrong"
        )
        self.queue.append((event, question))

    # What it comes to --------------------------------------------------------------------

    def settle(self) -> None:
        """Bring completion and success up to date; once completed or passed stays so."""
        state = self.state
        if state.visited is self.before.visited and state.answers is self.before.answers:
            return
        success = state.success
        if success != "passed":
            success = results.success(self.index, state)
        if success != state.success:
            self.update(success=success)
        completed = state.completed or results.completed(self.index, self.state)
        if completed != state.completed:
            self.update(completed=completed)
        if success != state.success or completed != state.completed:
            self.effects.append(
                {"effect": "status", "completed": completed, "success": success}
            )
