"""A course as a table, a slide a line: for experts who read it, and comment on it, elsewhere."""

from collections.abc import Iterator, Mapping, Sequence

from zigzag_core.compiler.questions import grader_of
from zigzag_core.course import CourseDocument, Element, Slide
from zigzag_core.course.sections import slides_by_section
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.editing.narration.script import ScriptRow, script_of
from zigzag_core.program import Grader, GraderPart

from .route import Route, route

HEADING = ("No.", "Section", "Slide", "On the slide", "Opens over it", "Spoken", "Questions",
           "Leads to", "Notes")
LONGEST = 32_000
"""So many characters has a cell at most: spreadsheets cut what is longer."""


def storyboard(document: CourseDocument) -> list[tuple[str, ...]]:
    """Return the lines of the table, the heading first, in the order of the course."""
    spoken: dict[str, list[ScriptRow]] = {}
    for row in script_of(document):
        spoken.setdefault(row.place.slide, []).append(row)
    ways = route(document)
    titles = {slide.id: slide.title for slide in document.slides}
    sections = {
        slide: section.title if section else ""
        for section, slides in slides_by_section(
            document.course.slides, document.course.sections) for slide in slides}
    return [HEADING, *(
        tuple(cell[:LONGEST] for cell in (
            str(number), sections.get(slide.id, ""), slide.title,
            "\n".join(_said(slide.elements, {
                element.id for element in slide.elements if element.overlay is not None})),
            "\n\n".join(_overlays(slide)),
            "\n".join(_voice(row) for row in spoken.get(slide.id, ()) if row.words),
            "\n\n".join(_question(grader_of(slide, one)) for one in slide.questions),
            "\n".join(_leads(slide, ways, titles)), slide.notes))
        for number, slide in enumerate(document.slides, 1))]


def _said(elements: Sequence[Element], beside: set[str]) -> Iterator[str]:
    """What the elements of a slide say, without those `beside`; of a group, its members."""
    words = all_spoken(elements)
    for element in elements:
        narrates = element.kind == "audio" and element.narration
        if not (element.kind == "group" or element.decoration or narrates or element.id in beside):
            yield words[element.id]


def _overlays(slide: Slide) -> Iterator[str]:
    for overlay in slide.overlays:
        inside = [element for element in slide.elements if element.overlay == overlay.id]
        yield "\n".join([f"{overlay.name}:", *_said(inside, set())])


def _voice(row: ScriptRow) -> str:
    return f"{row.speaker}: {row.words}" if row.speaker else row.words


def _question(grader: Grader) -> str:
    return "\n".join([grader.prompt, *_answers(grader)])


def _answers(grader: Grader) -> Iterator[str]:
    """The answers, and which of them are right."""
    targets = {target.id: target.words for target in grader.targets}
    for number, part in enumerate(grader.parts, 1):
        match grader.form:
            case "choose" | "spots":
                yield f"[{'x' if part.right else ' '}] {part.words}"
            case "pairs":
                places = ", ".join(targets.get(name, "") for name in part.right) or "nowhere"
                yield f"{part.words} → {places}"
            case "order":
                yield f"{number}. {part.words}"
            case "texts":
                yield f"= {_accepted(part)}"


def _accepted(part: GraderPart) -> str:
    """What is taken as right in a field."""
    if part.accepts is None:
        return "anything"
    ranges = (f"{one.low:g}" if one.low == one.high else f"{one.low:g} to {one.high:g}"
              for one in part.accepts.ranges)
    return " or ".join([*part.accepts.words, *ranges])


def _leads(slide: Slide, ways: Route, titles: Mapping[str, str]) -> Iterator[str]:
    for way in ways.ways:
        if way.source == slide.id:
            yield f"{titles[way.target]}{f' ({way.why})' if way.why else ''}"
