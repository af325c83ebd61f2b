"""One line of a dialogue, or one question, of a slide, changed."""

from collections.abc import Callable
from typing import Any

from zigzag_core.course import Slide
from zigzag_core.course.dialogues import Line, SaidLine
from zigzag_core.course.questions.question import Question


def with_line(
    slide: Slide, dialogue: str, line: str, change: Callable[[SaidLine], dict[str, Any]]
) -> Slide:
    """Return `slide` with other fields of a line that is said in one of its dialogues."""
    def changed(one: Line) -> Line:
        if isinstance(one, SaidLine) and one.id == line:
            return one.model_copy(update=change(one))
        return one

    return slide.model_copy(update={"dialogues": tuple(
        one.model_copy(update={"beats": tuple(
            beat.model_copy(update={"lines": tuple(map(changed, beat.lines))})
            for beat in one.beats)})
        if one.id == dialogue else one for one in slide.dialogues)})


def with_feedback(
    slide: Slide, question: str, change: Callable[[Question], dict[str, Any]]
) -> Slide:
    """Return `slide` with other fields of the feedback of a question."""
    return slide.model_copy(update={"questions": tuple(
        one.model_copy(update={"feedback": one.feedback.model_copy(update=change(one))})
        if one.id == question else one for one in slide.questions)})
