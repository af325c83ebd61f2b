"""What a package tells an LMS about itself, beside what its standard asks for."""

from collections.abc import Iterable

from zigzag_core.course import Slide, plain
from zigzag_core.course.questions.question import OpenAnswer
from zigzag_core.program import Grader
from zigzag_core.tracking.records12 import sign_words
from zigzag_core.tracking.records2004 import id_words
from zigzag_core.tracking.words import QuestionWords


def question_words(slide: Slide, graders: Iterable[Grader]) -> dict[str, QuestionWords]:
    """Return the words behind what will be recorded of the questions on `slide`, by record.

    `graders` are what the questions were compiled to.
    """
    models = {
        question.id: plain(question.model)
        for question in slide.questions if isinstance(question, OpenAnswer)
    }
    return {
        grader.record: QuestionWords(
            prompt=grader.prompt, kind=grader.kind,
            answers={**sign_words(grader), **id_words(grader)},
            points=grader.points, model=models.get(grader.id, ""),
        )
        for grader in graders
    }
