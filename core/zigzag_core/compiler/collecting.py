"""Questions of a quiz whose answers are judged at its end."""

from typing import Any

from zigzag_core.course import Slide
from zigzag_core.course.questions.feedback import Feedback

_KEPT: dict[str, Any] = {
    "submit": None, "judged": "submit", "keeps": True, "attempts": 1, "show_right": False,
    "after": "stay", "feedback": Feedback(),
}
_OF_SOME: dict[str, Any] = {
    "found_at_once": False, "clicks_spent": False, "wrong_items": "stay", "drops_count": False}


def collected(slide: Slide) -> Slide:
    """Return `slide` without buttons that submit and without what would come after an answer.

    Answers can be changed until the quiz is finished; then they are judged, once.
    """
    buttons = {question.submit for question in slide.questions}
    return slide.model_copy(update={
        "elements": tuple(e for e in slide.elements if e.id not in buttons),
        "questions": tuple(
            question.model_copy(update={
                **_KEPT, **{k: v for k, v in _OF_SOME.items() if k in type(question).model_fields}})
            for question in slide.questions)})
