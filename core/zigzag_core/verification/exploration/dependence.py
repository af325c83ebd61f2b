"""What of a course depends on what: which slides stand alone, what they hand on to others."""

from collections import Counter
from collections.abc import Hashable, Iterator, Mapping, Sequence, Set
from dataclasses import dataclass, field

from zigzag_core.course.model import Model
from zigzag_core.course.references import Reference, expressions, references
from zigzag_core.course.rules.expression import parts_of
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import Answer, State
from zigzag_core.program import Clear, PickNumber, ProgramRule, ProgramSlide

from .comparisons import Comparisons, comparisons

_CONSTANT = ("max_points", "slides", "questions", "slide_title", "slide_number")
"""What the course tells of itself that is always the same on one slide."""
_TIMES = ("seconds", "minutes")


@dataclass(frozen=True)
class Needs:
    """What a slide, or the rules of the course, ask and act on.

    `things` are elements, overlays, questions and sets, `live` what the course tells of itself.
    """

    asks: frozenset[str]
    acts: frozenset[str]
    live: frozenset[str]


@dataclass
class Dependence:
    """How the slides of a program hang together.

    A slide that is `alone` does the same however it is entered. What is `shared` on one slide
    counts on another; a slide that hands on nothing is `plain`.
    """

    index: Index
    asked_of: Comparisons
    rules: dict[str | None, list[ProgramRule]] = field(default_factory=dict)
    alone: set[str] = field(default_factory=set)
    plain: set[str] = field(default_factory=set)
    shared: set[str] = field(default_factory=set)
    asked: set[str] = field(default_factory=set)
    """Whatever an expression asks for, or a set counts."""
    points: bool = False
    chance: bool = False
    """Whether a number is picked at random that anything asks for."""

    def rules_on(self, slide: str) -> list[ProgramRule]:
        """The rules that may run on a slide: its own, and the course's."""
        return [*self.rules.get(slide, ()), *self.rules.get(None, ())]


def dependence(index: Index) -> Dependence:
    """Work out for a whole program what depends on what."""
    made = Dependence(index, comparisons(index))
    for bound in index.rules.values():
        made.rules.setdefault(bound.slide, []).append(bound.rule)
    slides = {slide.id: _needs(slide, index) for slide in index.program.slides}
    needs: list[tuple[str | None, Needs]] = [
        *slides.items(), *((None, _needs(rule, index)) for rule in index.program.rules)]
    asked = Counter(name for _, each in needs for name in each.asks & index.variables.keys())
    acted = Counter(name for _, each in needs for name in each.acts & index.variables.keys())
    asked_abroad = {name for owner, each in needs for name in each.asks
                    if _home(index, name) not in (owner, None)}
    acted_abroad = {name for owner, each in needs for name in each.acts
                    if _home(index, name) not in (owner, None)}
    live = frozenset(name for _, each in needs for name in each.live)
    made.points = bool(live - {*_TIMES, "learner_name"})
    made.chance = any(
        isinstance(action, PickNumber) and made.asked_of.asks("variable", action.variable)
        for bound in index.rules.values() for action in (*bound.rule.then, *bound.rule.otherwise))
    made.asked = {name for _, each in needs for name in each.asks} | index.sets_of.keys()
    made.shared = asked_abroad | acted_abroad | asked.keys()
    touched = {_home(index, name) for name in acted_abroad}
    looked_at = {_home(index, name) for name in asked_abroad}
    judged = {grader.slide for grader in index.program.questions} if made.points else set()
    for slide, each in slides.items():
        variables = each.asks & index.variables.keys()
        elsewhere = {name for name in each.asks - variables if _home(index, name) != slide}
        if elsewhere or each.live or slide in touched or any(
                acted[name] > (name in each.acts) for name in variables):
            continue
        made.alone.add(slide)
        hands_on = any(asked[name] > (name in each.asks)
                       for name in each.acts & index.variables.keys())
        reaches_out = any(_home(index, name) not in (slide, None) for name in each.acts)
        if not (hands_on or reaches_out or slide in looked_at or slide in judged
                or live & {*_TIMES}):
            made.plain.add(slide)
    for slide, each in slides.items():
        # What other slides did may meet what stayed behind here.
        if slide not in made.plain:
            made.shared |= {
                name for name in each.asks | each.acts if _home(index, name) == slide
                and (slide not in made.alone or name not in index.questions)}
    return made


def _home(index: Index, name: str) -> str | None:
    """The slide of an element, overlay, question or set; of a slide itself. None: of none."""
    if name in index.home:
        return index.home[name]
    if name in index.questions:
        return index.questions[name].slide
    if name in index.sets:
        return index.sets[name].slide
    return name if name in index.position else None


def _needs(model: Model, index: Index) -> Needs:
    found = [reference for reference in references(model) if not _is_way(reference, index)]
    whole = {name for clear in _clears(model) for name in _cleared_whole(clear, index)}
    return Needs(
        asks=frozenset(_asked(model, index)),
        acts=frozenset(each.id for each in found if not each.asked and each.id not in whole),
        live=frozenset(
            node[1] for expression in expressions(model) for node in parts_of(expression)
            if node[0] == "live" and node[1] not in _CONSTANT),
    )


def _is_way(reference: Reference, index: Index) -> bool:
    """Whether it names a slide only to go there."""
    return not reference.asked and reference.id in index.position


def _asked(model: Model, index: Index) -> set[str]:
    """What expressions in `model` ask for, and the variables for whose changes its rules wait."""
    return {each.id for each in references(model) if each.asked} | {
        name for rule in _rules_of(model) if rule.on == "variable_changed"
        for name in ([rule.target] if rule.target else index.variables)}


def _rules_of(model: Model) -> Iterator[ProgramRule]:
    if isinstance(model, ProgramRule):
        yield model
    elif isinstance(model, ProgramSlide):
        yield from model.rules
        for overlay in model.overlays:
            yield from overlay.rules
        for element in (*model.elements, *(e for o in model.overlays for e in o.elements)):
            yield from element.rules


def _clears(model: Model) -> Iterator[Clear]:
    for rule in _rules_of(model):
        yield from (act for act in (*rule.then, *rule.otherwise) if isinstance(act, Clear))


def _cleared_whole(clear: Clear, index: Index) -> Iterator[str]:
    """What goes back to its beginning together with its whole slide: that changes nothing there."""
    for name in (*clear.elements, *clear.questions):
        if _home(index, name) in clear.slides:
            yield name


def _waits(state: State) -> Hashable:
    """What is waited for: of one thing that was set off again and again the first two times."""
    found: dict[tuple[str, str, int], list[int]] = {}
    for wait in state.waiting:
        found.setdefault((wait.rule, wait.branch, wait.index), []).append(wait.due - state.time)
    return tuple(sorted((*name, *sorted(left)[:2]) for name, left in found.items()))


@dataclass(frozen=True)
class _Looked:
    """What is looked at in a state."""

    variables: Sequence[str]
    clicked: Set[str]
    elements: Set[str]
    questions: Sequence[str]


@dataclass
class View:
    """What of a state makes a difference: on one slide, and to others."""

    slide: ProgramSlide
    depends: Dependence

    def __post_init__(self) -> None:
        index, depends = self.depends.index, self.depends
        here = self.slide.id
        asked_here = {
            name for part in (self.slide, *index.program.rules) for name in _asked(part, index)}
        shared = depends.shared
        elements, questions = index.elements.keys(), index.questions
        # That something was clicked counts where it is asked, or fills a set.
        members = {name for seen in index.sets.values() if seen.slide == here for name in seen.of}
        asked_of_sets = {
            name for each in shared & index.sets.keys() for name in index.sets[each].of}
        self._here = _Looked(
            variables=sorted(asked_here & index.variables.keys() - shared),
            clicked=((asked_here & elements) | members) - asked_of_sets - shared,
            elements=set(index.on_slide[here]) - shared,
            questions=sorted(q for q, grader in questions.items()
                             if grader.slide == here and q not in shared))
        self._abroad = _Looked(
            variables=sorted(shared & index.variables.keys()),
            clicked=(shared & elements & depends.asked) | asked_of_sets,
            elements=shared & elements, questions=sorted(shared & questions.keys()))
        self._slides = sorted(shared & index.position.keys())
        self._seconds = depends.asked_of.numbers("seconds_on", here)
        self._times = sorted({
            *depends.asked_of.numbers("live", "seconds"),
            *(60 * n for n in depends.asked_of.numbers("live", "minutes"))})

    def handed_on(self, state: State) -> Hashable:
        """Return what counts on other slides."""
        return tuple(self._shared(state))

    def atoms(self, state: State) -> Iterator[Hashable]:
        """Yield the single things that are so in a state, as far as they count.

        They are the same for states between which there is no difference.
        """
        yield from self._of(self._here, state)
        yield from self._shared(state)
        yield "overlays", state.overlays
        yield "leaving", state.leaving
        for owner, time in sorted(state.clocks.items()):
            yield "clock", owner, time.at, time.runs
        yield "open", self.slide.id in state.opened
        yield "waiting", _waits(state)
        if self._seconds:
            on = (state.time - state.entered) / 1_000
            yield "seconds", sum(on >= n for n in self._seconds), on in self._seconds

    def _shared(self, state: State) -> Iterator[Hashable]:
        yield from self._of(self._abroad, state)
        for name in self._slides:
            if name in state.visited:
                yield "seen", name
        yield from (("opened", name) for name in sorted(state.opened - self.depends.alone))
        if self.depends.points:
            answers = state.answers.values()
            yield ("points", sum(answer.points for answer in answers),
                   sum(answer.locked for answer in answers))
        if self._times:
            yield "time", sum(state.time / 1_000 >= n for n in self._times)

    def _of(self, looked: "_Looked", state: State) -> Iterator[Hashable]:
        for name in looked.variables:
            yield "variable", name, self.depends.asked_of.matters(name, state.variables.get(name))
        for name in sorted(state.clicked & looked.clicked):
            yield "clicked", name
        come_to: dict[str, Mapping[str, Hashable]] = {
            "hidden": state.hidden, "dropped": state.dropped, "watched": state.watched}
        for kind, held in come_to.items():
            for name, value in sorted(held.items()):
                if name in looked.elements:
                    yield kind, name, value
        for name in looked.questions:
            answer = state.answers.get(name)
            if answer:
                yield "answer", name, self._answer(name, answer)

    def _answer(self, question: str, answer: Answer) -> Hashable:
        timed = bool(self.depends.index.questions[question].time_limit)
        return (answer.given, answer.attempts, answer.result, answer.locked, answer.judged,
                answer.slips, answer.used if timed else 0)
