"""A script put on a slide: as a new dialogue, or in place of what one says."""

from collections.abc import Mapping

from zigzag_core.course import Course, Element, IdSource, Slide, Text
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.names import names_of
from zigzag_core.dialogue.script import Script

from .planting import plant_script


def with_script(
    course: Course, slide: Slide, titles: Mapping[str, str], script: Script, fresh: IdSource,
    dialogue: str | None = None,
) -> tuple[Course, Slide]:
    """Return `course` and `slide` with what `script` says.

    It is that of the `dialogue` with this id (None, or one that is not there: a new one). `titles`
    are those of all slides, by id. Variables that the script changes and that the course lacks are
    added. On a slide without words and pictures a new dialogue takes all of it.
    """
    before = next((one for one in slide.dialogues if one.id == dialogue), None)
    made = plant_script(
        script, before or _new(course, slide, fresh), names_of(course, slide, titles), fresh)
    if before is None:
        dialogues = (*slide.dialogues, made.dialogue)
    else:
        dialogues = tuple(made.dialogue if one is before else one for one in slide.dialogues)
    return (course.model_copy(update={"variables": (*course.variables, *made.variables)}),
            slide.model_copy(update={"dialogues": dialogues}))


def _new(course: Course, slide: Slide, fresh: IdSource) -> Dialogue:
    made = Dialogue(id=fresh(), name=slide.title)
    if slide.dialogues or any(map(_says_something, slide.elements)):
        return made
    return made.model_copy(update={"x": 0, "y": 0, "w": course.size.w, "h": course.size.h})


def _says_something(element: Element) -> bool:
    """Whether an element has words, a file, or is no place of a layout that is to be filled."""
    if isinstance(element, Text):
        return any(block.runs for block in element.text.blocks)
    return not element.slot
