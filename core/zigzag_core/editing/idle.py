"""What does nothing any more once something was taken from it."""

from typing import Any

from zigzag_core.course import Gate, Rule
from zigzag_core.course.questions.question import QuestionBase, answer_elements
from zigzag_core.course.rules.patterns import (
    Checklist,
    ChoosePath,
    FlipCards,
    RevealSet,
    SpotPlaces,
    Steps,
)


def is_idle(before: Any, after: Any) -> bool:
    """Return whether something that did something does nothing any more."""
    match after:
        case Rule():
            waited = getattr(before.when, "of", ()) and not getattr(after.when, "of", ())
            acted = (before.do or before.otherwise) and not (after.do or after.otherwise)
            return bool(waited or acted)
        case Gate(wants=wants):
            return bool(before.wants) and not wants
        case QuestionBase():
            return not any(answer_elements(after))
        case RevealSet(items=left) | Checklist(items=left) | FlipCards(cards=left) | ChoosePath(
                paths=left) | SpotPlaces(places=left):
            return not left
        case Steps(steps=steps):
            return not any(step.shows for step in steps)
    return False
