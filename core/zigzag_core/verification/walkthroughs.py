"""Walkthroughs played again: what was to be seen on the way, and is not any more."""

from collections.abc import Iterator
from typing import cast

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import CourseDocument, Walkthrough
from zigzag_core.course.model import Model
from zigzag_core.course.walkthroughs import Expected
from zigzag_core.engine import engine, results
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State
from zigzag_core.errors import NothingToPublish
from zigzag_core.program.events import Event

MOST = 20
"""So many differences of one walkthrough are told; more would only repeat them."""


class Difference(Model):
    """After an event (its place from 0, in words) something is not as it was recorded."""

    walkthrough: str
    after: int
    words: str
    slide: str | None = None
    element: str | None = None


def replay(document: CourseDocument) -> list[Difference]:
    """Return what is different from each of the course's walkthroughs, in their order.

    A path leads through what its learner was drawn, by its seed. Where a quiz draws something else
    now, that is told once, and nothing of what would follow.
    """
    if not document.course.walkthroughs:
        return []
    try:
        index = Index(compile_course(document, by_digest))
    except NothingToPublish:
        return []
    names = _names(document)
    return [
        difference for walk in document.course.walkthroughs
        for difference in _replayed(walk, index, names)
    ]


def _replayed(walk: Walkthrough, index: Index, names: dict[str, str]) -> list[Difference]:
    expected: dict[int, list[Expected]] = {}
    for entry in walk.expected:
        expected.setdefault(entry.after, []).append(entry)
    state = engine.start(index, walk.seed)
    found: list[Difference] = []
    for position, event in enumerate(walk.events):
        try:
            state, _ = engine.step(index, state, cast(Event, event))
        except (KeyError, TypeError, ValueError):
            # An event that the engine cannot read is one that this course no longer knows.
            continue
        undrawn = next((entry.of for entry in expected.get(position, ())
                        if entry.what == "slide" and not _is_drawn(entry.of, index, state)), None)
        if undrawn is not None:
            return [*found, Difference(
                walkthrough=walk.name, after=position, slide=undrawn, words=(
                    f"“{names.get(undrawn, '')}” is not drawn any more for learner {walk.seed}, "
                    "whom this path was recorded as: what follows cannot be played again. Record "
                    "the path anew."))]
        for entry in expected.get(position, ()):
            words = _differs(entry, index, state, names)
            if words:
                cause = _event_words(event, names)
                found.append(Difference(
                    walkthrough=walk.name, after=position, words=f"After {cause}, {words}.",
                    slide=state.slide, element=entry.of if entry.of in index.elements else None,
                ))
        if len(found) >= MOST:
            break
    return found


def _is_drawn(slide: str, index: Index, state: State) -> bool:
    """Whether a learner gets a slide that the course has."""
    return slide not in index.slides or slide in index.ordered(state.draws).position


def _differs(entry: Expected, index: Index, state: State, names: dict[str, str]) -> str | None:
    """What is not as expected, in words; None where all is well."""
    name = f"“{names.get(entry.of, 'something that is gone')}”"
    match entry.what:
        case "slide" if state.slide != entry.of:
            return f"the course no longer goes to {name}"
        case "shown" if not engine.is_visible(index, state, entry.of):
            return f"{name} no longer shows"
        case "hidden" if engine.is_visible(index, state, entry.of):
            return f"{name} is no longer hidden"
        case "open" if entry.of not in state.overlays:
            return f"{name} no longer opens"
        case "variable" if state.variables.get(entry.of) != entry.value:
            return f"{name} is no longer {entry.value}"
        case "points" if results.points(index, state) != entry.value:
            return f"there are no longer {entry.value} points"
        case "status" if (state.success if entry.of == "success" else state.completed) != (
            entry.value
        ):
            return f"the course is no longer {entry.value}"
    return None


def _event_words(event: dict[str, object], names: dict[str, str]) -> str:
    target = names.get(str(event.get("target", "")), "")
    match event["event"]:
        case "clicked":
            return f"“{target}”"
        case "next" | "previous":
            return "Next" if event["event"] == "next" else "Back"
        case "start":
            return "the start"
        case "tick":
            return "some time"
    return f"“{target}”" if target else str(event["event"])


def _names(document: CourseDocument) -> dict[str, str]:
    return dict(_named(document))


def _named(document: CourseDocument) -> Iterator[tuple[str, str]]:
    for slide in document.slides:
        yield slide.id, slide.title
        for part in (*slide.elements, *slide.overlays, *slide.questions):
            yield part.id, part.name
    for variable in document.course.variables:
        yield variable.id, variable.name
