"""What of a state makes a difference on one slide, and to others."""

from collections.abc import Hashable, Iterator, Mapping, Sequence, Set
from dataclasses import dataclass

from zigzag_core.engine.state import Answer, State
from zigzag_core.program import ProgramSlide

from .dependence import Dependence, asked_in


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
            name for part in (self.slide, *index.program.rules) for name in asked_in(part, index)}
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
            "hidden": state.hidden, "disabled": state.disabled, "dropped": state.dropped,
            "watched": state.watched}
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
