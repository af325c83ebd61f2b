"""What does nothing any more once something was taken from it."""


from zigzag_core.course import Gate, Rule
from zigzag_core.course.questions.question import QuestionBase, answer_elements
from zigzag_core.course.quizzes import Together
from zigzag_core.course.rules.patterns import (
    Checklist,
    ChoosePath,
    FlipCards,
    RevealSet,
    SpotPlaces,
    Steps,
)


def is_idle(before: object, after: object) -> bool:
    """Return whether something that did something does nothing any more."""
    match before, after:
        case Rule(), Rule():
            waited = getattr(before.when, "of", ()) and not getattr(after.when, "of", ())
            acted = (before.do or before.otherwise) and not (after.do or after.otherwise)
            return bool(waited or acted)
        case Gate(wants=wanted), Gate(wants=left):
            return bool(wanted) and not left
        case Together(), Together(slides=left):
            return len(left) < 2
        case _, QuestionBase() as asked:
            return not any(answer_elements(asked))
        case _, RevealSet(items=left) | Checklist(items=left) | FlipCards(cards=left) | ChoosePath(
                paths=left) | SpotPlaces(places=left):
            return not left
        case _, Steps(steps=steps):
            return not any(step.shows for step in steps)
    return False
