"""What of a course depends on what: which slides stand alone, what they hand on to others."""

from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field
from functools import cached_property

from zigzag_core.course.model import Model
from zigzag_core.course.references import Reference, expressions, references
from zigzag_core.course.rules.expression import parts_of
from zigzag_core.engine.index import Index
from zigzag_core.program import Clear, Go, PickNumber, ProgramRule, ProgramSlide

from .comparisons import Comparisons, comparisons

_CONSTANT = ("slide_title",)
"""What the course tells of itself that is always the same on one slide."""
_OF_DRAWS = (
    "max_points", "slides", "slide_number", "questions", "question_number", "question_count")
"""What is the same on one slide where no quiz is drawn."""
_TIMES = ("seconds", "minutes")


@dataclass(frozen=True)
class Needs:
    """What a slide, or a rule of the course, `asks` and `acts` on, each by its id.

    `live` are the values that it asks of those that the course itself keeps.
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
    """Whether anything asks for a number that is picked at random, or for the learner's name."""

    def rules_on(self, slide: str) -> list[ProgramRule]:
        """The rules that may run on a slide: its own, and the course's."""
        return [*self.rules.get(slide, ()), *self.rules.get(None, ())]

    def leads_back(self, slide: str) -> bool:
        """Whether the learner may come from a slide to others that were seen before it."""
        around, here = self.index.program.navigation, self.index.slides[slide].navigation
        shown = (around.previous if here.previous is None else here.previous,
                 around.menu if here.menu is None else here.menu)
        return any(shown) or self._offers_back or any(
            action.to == "previous" for action in _ways(self.rules_on(slide)))

    @cached_property
    def _offers_back(self) -> bool:
        """Whether any rule leads to a slide and offers the way back from there."""
        return any(action.back for rules in self.rules.values() for action in _ways(rules))


def _ways(rules: Iterable[ProgramRule]) -> Iterator[Go]:
    for rule in rules:
        yield from (act for act in (*rule.then, *rule.otherwise) if isinstance(act, Go))


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
    made.chance = "learner_name" in live or any(
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
    constant = _CONSTANT if index.program.quizzes else (*_CONSTANT, *_OF_DRAWS)
    whole = {name for clear in _clears(model) for name in _cleared_whole(clear, index)}
    return Needs(
        asks=frozenset(asked_in(model, index)),
        acts=frozenset(each.id for each in found if not each.asked and each.id not in whole),
        live=frozenset(
            node[1] for expression in expressions(model) for node in parts_of(expression)
            if node[0] == "live" and node[1] not in constant),
    )


def _is_way(reference: Reference, index: Index) -> bool:
    """Whether it names a slide only to go there."""
    return not reference.asked and reference.id in index.position


def asked_in(model: Model, index: Index) -> set[str]:
    """Return what expressions in `model` ask for, and variables whose changes its rules wait for.
    """
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
