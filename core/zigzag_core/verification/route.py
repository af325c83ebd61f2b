"""The route: where one can go from each slide, and what leads nowhere or is never reached."""

from collections import deque
from collections.abc import Iterator, Mapping, Sequence
from typing import Literal

from zigzag_core.course import (
    CourseDocument,
    LeaveCourse,
    Nowhere,
    Slide,
    ToNext,
    ToPrevious,
    ToSlide,
)
from zigzag_core.course.model import Model
from zigzag_core.course.names import Names, names_of
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.rules.expression_words import in_words
from zigzag_core.course.rules.patterns import ChoosePath
from zigzag_core.course.rules.rule import Destination
from zigzag_core.course.rules.rule_use import goes, rules_on


class Way(Model):
    """A way from slide to slide: onward, or by a rule, whose cause `why` names in words."""

    source: str
    target: str
    kind: Literal["onward", "rule"]
    why: str = ""
    element: str | None = None


class Route(Model):
    """All ways; slides that nothing leads to; slides that lead nowhere but are not the end."""

    ways: tuple[Way, ...] = ()
    unreached: tuple[str, ...] = ()
    dead_ends: tuple[str, ...] = ()
    forks: int = 0


def route(document: CourseDocument) -> Route:
    """Return the route through a course, from the rules and the slides' own ways onward."""
    order = document.course.slides
    positions = {slide: position for position, slide in enumerate(order)}
    titles = {slide.id: slide.title for slide in document.slides}
    ways = tuple(_distinct(
        way for slide in document.slides
        for way in _ways(slide, order, positions, names_of(document.course, slide, titles))
    ))
    out: dict[str, list[str]] = {slide: [] for slide in order}
    for way in ways:
        out[way.source].append(way.target)
    seen = _reached(order, out)
    ends = {s.id for s in document.slides if _leaves(s)}
    if order:
        ends.add(order[-1])
    return Route(
        ways=ways,
        unreached=tuple(slide for slide in order if slide not in seen),
        dead_ends=tuple(slide for slide in order if not out[slide] and slide not in ends),
        forks=sum(len(set(targets)) > 1 for targets in out.values()),
    )


def _ways(
    slide: Slide, order: Sequence[str], positions: Mapping[str, int], naming: Names
) -> Iterator[Way]:
    onward = None
    if not isinstance(slide.onward, Nowhere):
        onward = _target(slide.onward, slide, order, positions)
    if onward:
        yield Way(source=slide.id, target=onward, kind="onward")
    names = {part.id: part.name for part in (*slide.elements, *slide.overlays)}
    for rule, owner in rules_on(slide):
        for action, condition in goes(rule):
            target = _target(action.go, slide, order, positions)
            # What only goes where the way leads anyhow is no fork; nor is going back.
            if target and target != onward and not isinstance(action.go, ToPrevious):
                cause = (*getattr(rule.when, "of", ()), owner)[0]
                named = cause if cause in names else None
                yield Way(source=slide.id, target=target, kind="rule", element=named,
                          why=when_words(rule.when.event, names.get(cause, ""))
                          + _if_words(condition, naming))
    for pattern in slide.patterns:
        if not isinstance(pattern, ChoosePath):
            continue
        for path in pattern.paths:
            if path.slide in positions and path.slide != slide.id:
                yield Way(source=slide.id, target=path.slide, kind="rule", element=path.trigger,
                          why=f"“{names[path.trigger]}” is clicked" if path.trigger
                          else f"on Next{_if_words(path.condition, naming)}")


def _if_words(condition: Node, naming: Names) -> str:
    return "" if condition is True else f" if {in_words(condition, naming)}"


def _target(
    go: Destination, slide: Slide, order: Sequence[str], positions: Mapping[str, int]
) -> str | None:
    position = positions[slide.id]
    match go:
        case ToSlide(slide=target):
            return target if target in positions and target != slide.id else None
        case ToNext():
            if isinstance(slide.onward, ToSlide) and slide.onward.slide in positions:
                return slide.onward.slide
            if isinstance(slide.onward, Nowhere):
                return None
            return order[position + 1] if position + 1 < len(order) else None
        case ToPrevious():
            return order[position - 1] if position else None
    return None


def _distinct(ways: Iterator[Way]) -> Iterator[Way]:
    """One way for each pair of slides and kind; the causes of the same way are joined."""
    found: dict[tuple[str, str], Way] = {}
    for way in ways:
        key = (way.source, way.target)
        before = found.get(key)
        if before is None:
            found[key] = way
        elif before.kind == "rule" and before.element != way.element:
            found[key] = before.model_copy(update={"why": f"{before.why}, or {way.why}"})
    yield from found.values()


def _leaves(slide: Slide) -> bool:
    return any(isinstance(go.go, LeaveCourse)
               for rule, _ in rules_on(slide) for go, _ in goes(rule))


_HAPPENS = {
    "clicked": "is clicked", "double_clicked": "is double-clicked", "pointed_at": "is pointed at",
    "dropped": "is dropped", "entered": "gets a value", "overlay_opened": "opens",
    "overlay_closed": "closes", "media_ended": "has ended", "all_seen": "was seen in full",
}


def when_words(event: str, name: str) -> str:
    """Return in words when a rule runs, for the line of a fork."""
    words = _HAPPENS.get(event, event.replace("_", " "))
    return f"“{name}” {words}" if name else words


def _reached(order: Sequence[str], out: Mapping[str, Sequence[str]]) -> set[str]:
    """The slides that can be reached from the first."""
    seen: set[str] = set(order[:1])
    waiting = deque(seen)
    while waiting:
        for target in out[waiting.popleft()]:
            if target not in seen:
                seen.add(target)
                waiting.append(target)
    return seen
