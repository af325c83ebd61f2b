"""What a package tells an LMS about itself, beside what its standard asks for."""

from zigzag_core.course import CourseDocument, plain
from zigzag_core.course.questions.question import OpenAnswer
from zigzag_core.program import Program
from zigzag_core.tracking.records12 import answer_words
from zigzag_core.tracking.words import PackageWords, QuestionWords


def words_of(document: CourseDocument, program: Program) -> PackageWords:
    """Return the words behind what the package of `program` will record."""
    models = {
        question.id: plain(question.model)
        for slide in document.slides for question in slide.questions
        if isinstance(question, OpenAnswer)
    }
    return PackageWords(
        course=program.course, title=program.title, slides=len(program.slides),
        questions={
            grader.record: QuestionWords(
                prompt=grader.prompt, kind=grader.kind, answers=answer_words(grader),
                points=grader.points, model=models.get(grader.id, ""),
            )
            for grader in program.questions
        },
    )
