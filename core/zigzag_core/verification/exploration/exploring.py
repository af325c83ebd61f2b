"""What can happen on the slides of a course, found by trying what learners can do.

Each slide is explored on its own, from every situation in which it was entered, as far as that
makes a difference for the slide. New things come first (Lipovetzky and Geffner's novelty:
a situation in which something is so for the first time), all others after. The search is
bounded in steps; what was left open is said.
"""

from collections import deque
from collections.abc import Callable, Hashable, Iterable, Iterator
from dataclasses import dataclass, field

from zigzag_core.course.references import expressions, references
from zigzag_core.course.reporting import Progress, portion, telling, untold
from zigzag_core.course.rules.expression import parts_of
from zigzag_core.engine import engine
from zigzag_core.engine.expression import gate_is_open, is_visible
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State
from zigzag_core.grading.solutions import answering
from zigzag_core.program import ProgramRule, ProgramSlide
from zigzag_core.program.events import Effect, Event, Ran

from .attempts import Attempt, Attempts, attempts_on
from .comparisons import Comparisons, comparisons

STEPS_ON_A_SLIDE = 2_000
LEAST_ON_A_SLIDE = 40
STEPS_IN_ALL = 12_000
ENTRIES = 4
"""In so many different situations a slide is entered."""
_TIMES = (("live", "seconds"), ("live", "minutes"))
"""Expressions that have another value as time passes."""


@dataclass
class SlideSeen:
    """What was found on a slide. `whole`: nothing that a learner can do there was left untried."""

    slide: str
    whole: bool = True
    steps: int = 0
    ran: set[str] = field(default_factory=set)
    held: set[str] = field(default_factory=set)
    shown: set[str] = field(default_factory=set)
    opened: set[str] = field(default_factory=set)
    loops: set[str] = field(default_factory=set)
    opposed: dict[tuple[str, str], str] = field(default_factory=dict)
    """Pairs of rules that show and hide one thing on one event, with that thing."""
    passable: bool = False
    """Whether the slide's gate was open in some situation."""
    left: bool = False


@dataclass(frozen=True)
class Explored:
    """What trying a course out has seen, by slide, in how many steps."""

    slides: dict[str, SlideSeen]
    steps: int

    @property
    def whole(self) -> bool:
        """Whether all that can happen was tried."""
        return all(seen.whole for seen in self.slides.values())


def explore(index: Index, progress: Progress = untold) -> Explored:
    """Return what can happen in a program, within the bounds."""
    seen = {slide: SlideSeen(slide) for slide in index.order}
    entries: dict[str, list[State]] = {slide: [] for slide in index.order}
    known: dict[str, set[Hashable]] = {slide: set() for slide in index.order}
    asked_of = comparisons(index)
    rules = _Rules(index)
    views = {
        slide.id: _View(index, slide, asked_of, rules)
        for slide in telling(index.program.slides, portion(progress, 0, 0.2))
    }
    waiting: deque[tuple[str, State]] = deque()

    def enter(state: State) -> None:
        slide = state.slide or ""
        key = views[slide].key(state)
        if key in known[slide]:
            return
        if len(entries[slide]) >= ENTRIES:
            seen[slide].whole = False
            return
        known[slide].add(key)
        entries[slide].append(state)
        waiting.append((slide, state))

    share = STEPS_IN_ALL // max(len(index.order), 1)
    most = min(max(share, LEAST_ON_A_SLIDE), STEPS_ON_A_SLIDE)
    total = 0
    begun = engine.start(index, 1)
    for slide in telling(index.order, portion(progress, 0.2, 1)):
        # The first as a learner begins; what is not reached from there, as if it were.
        if not entries[slide]:
            log: list[Ran] = []
            state, effects = engine.step(index, begun, {"event": "start", "target": slide}, log)
            _note(index, seen, log, effects, state)
            enter(state)
        while waiting:
            where, state = waiting.popleft()
            budget = most - seen[where].steps
            total += _explore_slide(index, views[where], state, seen, enter, budget)
    return Explored(slides=seen, steps=total)


def _explore_slide(
    index: Index, view: "_View", entry: State, seen: dict[str, SlideSeen],
    enter: Callable[[State], None], budget: int,
) -> int:
    """Try what can be done from one entry; return the number of steps taken."""
    here = seen[view.slide.id]
    found = {view.key(entry)}
    atoms: set[Hashable] = set(view.atoms(entry))
    first: list[State] = [entry]
    later: deque[State] = deque()
    steps = 0
    _look(index, here, entry)
    while first or later:
        state = first.pop() if first else later.popleft()
        for event in view.attempts.of(state):
            if steps >= budget:
                here.whole = False
                here.steps += steps
                return steps
            steps += 1
            log: list[Ran] = []
            after, effects = _done(index, state, event, log)
            _note(index, seen, log, effects, after)
            if after.ended or after.slide != state.slide:
                here.left = True
                if not after.ended:
                    enter(after)
                continue
            key = view.key(after)
            if key in found:
                continue
            found.add(key)
            _look(index, here, after)
            fresh = [atom for atom in view.atoms(after) if atom not in atoms]
            atoms.update(fresh)
            (first if fresh else later).append(after)
    here.steps += steps
    return steps


def _done(
    index: Index, state: State, event: Attempt, log: list[Ran]
) -> tuple[State, list[Effect]]:
    """One attempt: an event, or all events of watching a video or of answering a question."""
    parts: Iterable[Event]
    if event["event"] == "watched":
        parts = _watching(event["target"], event["ms"])
    elif event["event"] == "answers":
        parts = answering(index.questions[event["question"]], event["given"])
    else:
        return engine.step(index, state, event, log)
    effects: list[Effect] = []
    for part in parts:
        if state.slide is None or state.ended:
            break
        state, more = engine.step(index, state, part, log)
        effects += more
    return state, effects


def _watching(element: str, ms: int) -> Iterator[Event]:
    yield {"event": "media", "target": element, "what": "started"}
    for since in range(0, ms, 60_000):
        yield {"event": "played", "target": element, "since": since,
               "until": min(since + 60_000, ms)}
    yield {"event": "media", "target": element, "what": "paused"}
    yield {"event": "media", "target": element, "what": "ended"}


def _look(index: Index, here: SlideSeen, state: State) -> None:
    """Note what is there in a situation."""
    here.opened.update(state.overlays)
    for element in index.on_slide[here.slide]:
        if element not in here.shown:
            overlay = index.overlay_of.get(element)
            if (overlay is None or overlay in state.overlays) and is_visible(index, state, element):
                here.shown.add(element)
    here.passable = here.passable or gate_is_open(index, state, here.slide)


def _note(
    index: Index, seen: dict[str, SlideSeen], log: list[Ran],
    effects: list[Effect], state: State,
) -> None:
    """Note which rules ran, and which went against each other."""
    done: dict[tuple[str, str, str, str], str] = {}
    for entry in log:
        bound = index.rules[entry["rule"]]
        where = seen.get(bound.slide or state.slide or "")
        if where is None:
            continue
        where.ran.add(bound.rule.id)
        if entry["held"]:
            where.held.add(bound.rule.id)
        for action in bound.rule.then if entry["held"] else bound.rule.otherwise:
            if action.do not in ("show", "hide"):
                continue
            occasion = (entry["event"], entry["target"], action.element)
            against = done.get((*occasion, "hide" if action.do == "show" else "show"))
            if against and against != bound.rule.id:
                where.opposed.setdefault((against, bound.rule.id), action.element)
            done[(*occasion, action.do)] = bound.rule.id
    for effect in effects:
        if effect["effect"] == "loop":
            for rule in effect["rules"]:
                home = seen.get(index.rules[rule].slide or state.slide or "")
                if home:
                    home.loops.add(rule)


class _Rules:
    """What the rules of the course and of each slide come to, looked up once."""

    def __init__(self, index: Index) -> None:
        self.of_slide: dict[str | None, list[ProgramRule]] = {}
        for bound in index.rules.values():
            self.of_slide.setdefault(bound.slide, []).append(bound.rule)
        everywhere = index.program.rules
        self.asked = [found for rule in everywhere for found in references(rule) if found.asked]
        self.expressions = [node for rule in everywhere for node in expressions(rule)]

    def on(self, slide: str) -> list[ProgramRule]:
        """The rules that may run on a slide: its own, and the course's."""
        return [*self.of_slide.get(slide, ()), *self.of_slide.get(None, ())]


class _View:
    """What of a state makes a difference on one slide."""

    def __init__(
        self, index: Index, slide: ProgramSlide, asked_of: Comparisons, rules: _Rules
    ) -> None:
        self.slide = slide
        self.asked_of = asked_of
        here = list(references(slide))
        asked = {found.id for found in (*here, *rules.asked) if found.asked}
        named = {found.id for found in here} | asked
        own = set(index.on_slide[slide.id])
        self.variables = sorted(named & index.variables.keys())
        self.clicked = own | (asked & index.elements.keys())
        self.hidden = own
        self.slides = sorted(asked & index.position.keys())
        self.questions = sorted(named & index.questions.keys())
        operators = [
            node for whole in (*expressions(slide), *rules.expressions) for node in parts_of(whole)
        ]
        self.points = any(node[0] == "live" for node in operators)
        self.times = any(node[0] == "seconds_on" or tuple(node) in _TIMES for node in operators)
        self.attempts: Attempts = attempts_on(
            index, slide, asked_of, rules.on(slide.id), self.times)
        for name in asked & index.sets.keys():
            self.clicked |= set(index.sets[name].of)

    def key(self, state: State) -> Hashable:
        return tuple(self.atoms(state))

    def atoms(self, state: State) -> Iterator[Hashable]:
        """Yield the single things that are so in a state, as far as they count here."""
        for name in self.variables:
            yield "variable", name, self.asked_of.matters(name, state.variables.get(name))
        for name in sorted(state.clicked & self.clicked):
            yield "clicked", name
        for name, hidden in sorted(state.hidden.items()):
            if name in self.hidden:
                yield "hidden", name, hidden
        for name in self.slides:
            if name in state.visited:
                yield "seen", name
        for name in self.questions:
            answer = state.answers.get(name)
            if answer:
                yield "answer", name, answer.given, answer.attempts, answer.result, answer.locked
        yield "overlays", state.overlays
        for owner, time in sorted(state.clocks.items()):
            yield "clock", owner, time.at, time.runs
        yield from (("dropped", *pair) for pair in sorted(state.dropped.items()))
        yield from (("watched", *pair) for pair in sorted(state.watched.items()))
        yield "open", self.slide.id in state.opened
        yield "waiting", tuple(sorted((w.rule, w.index) for w in state.waiting))
        if self.points:
            yield "points", sum(answer.points for answer in state.answers.values())
        if self.times:
            yield "seconds", min((state.time - state.entered) // 30_000, 5)
