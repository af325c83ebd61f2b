"""A script put on a slide: as a new dialogue, or in place of what one says."""

from collections.abc import Mapping

from zigzag_core.course import Course, IdSource, Slide
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
    added.
    """
    before = next((one for one in slide.dialogues if one.id == dialogue), None)
    made = plant_script(
        script, before or Dialogue(id=fresh(), name=slide.title), names_of(course, slide, titles),
        fresh)
    if before is None:
        dialogues = (*slide.dialogues, made.dialogue)
    else:
        dialogues = tuple(made.dialogue if one is before else one for one in slide.dialogues)
    return (course.model_copy(update={"variables": (*course.variables, *made.variables)}),
            slide.model_copy(update={"dialogues": dialogues}))
