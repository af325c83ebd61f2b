"""A program made ready to run: everything looked up once."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

from zigzag_core.course import Nowhere, ToSlide, Variable
from zigzag_core.program import Grader, Overlay, Program, ProgramElement, ProgramRule

_BLOCK, _ELEMENT, _OVERLAY, _SLIDE, _COURSE = range(5)


@dataclass(frozen=True)
class BoundRule:
    """A rule with its rank (blocks first, then element, overlay, slide, course) and its slide."""

    rank: int
    slide: str | None
    rule: ProgramRule


class Index:
    """Look-ups over one program; immutable after it is made, shared by all runs of it."""

    def __init__(self, program: Program) -> None:
        self.program = program
        self.order = tuple(slide.id for slide in program.slides)
        self.position = {slide: index for index, slide in enumerate(self.order)}
        self.variables: dict[str, Variable] = {v.id: v for v in program.variables}
        self.questions: dict[str, Grader] = {q.id: q for q in program.questions}
        self.elements: dict[str, ProgramElement] = {}
        self.overlays: dict[str, Overlay] = {}
        self.home: dict[str, str] = {}
        """The slide of each element and overlay."""
        self.onward: dict[str, str | None] = _onward(program)
        """The slide that *next* leads to from each slide."""
        self.overlay_of: dict[str, str] = {}
        """The overlay of each element that is in one."""
        self._rules: dict[tuple[str, str | None], list[BoundRule]] = {}
        for slide in program.slides:
            for element in slide.elements:
                self._add_element(element, slide.id)
            for overlay in slide.overlays:
                self.overlays[overlay.id] = overlay
                self.home[overlay.id] = slide.id
                for element in overlay.elements:
                    self._add_element(element, slide.id)
                    self.overlay_of[element.draw.id] = overlay.id
                self._add_rules(overlay.rules, _OVERLAY, slide.id)
            self._add_rules(slide.rules, _SLIDE, slide.id)
        self._add_rules(program.rules, _COURSE, None)
        for rules in self._rules.values():
            rules.sort(key=lambda bound: bound.rank)

    def _add_element(self, element: ProgramElement, slide: str) -> None:
        self.elements[element.draw.id] = element
        self.home[element.draw.id] = slide
        self._add_rules(element.rules, _ELEMENT, slide)

    def _add_rules(self, rules: tuple[ProgramRule, ...], rank: int, slide: str | None) -> None:
        for rule in rules:
            bound = BoundRule(_BLOCK if rule.block else rank, slide, rule)
            self._rules.setdefault((rule.on, rule.target), []).append(bound)

    def groups_of(self, element: str) -> Iterator[str]:
        """Yield the groups that `element` is in, the innermost first."""
        group = self.elements[element].draw.group
        while group is not None and group in self.elements:
            yield group
            group = self.elements[group].draw.group

    def matching(self, event: str, target: str) -> list[BoundRule]:
        """Return the rules for `event` at `target`, in the order in which they run."""
        exact = self._rules.get((event, target))
        general = self._rules.get((event, None))
        if exact and general:
            return sorted(exact + general, key=lambda bound: bound.rank)
        return exact or general or []

    @cached_property
    def max_points(self) -> float:
        """Points that can be reached in the scored questions."""
        return sum(q.points for q in self.program.questions if q.purpose == "scored")


def _onward(program: Program) -> dict[str, str | None]:
    order = [slide.id for slide in program.slides]
    known = set(order)
    found: dict[str, str | None] = {}
    for slide, after in zip(program.slides, [*order[1:], None], strict=True):
        match slide.onward:
            case ToSlide(slide=target):
                found[slide.id] = target if target in known else after
            case Nowhere():
                found[slide.id] = None
            case _:
                found[slide.id] = after
    return found
