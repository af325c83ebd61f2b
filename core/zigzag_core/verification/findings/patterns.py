"""Checks of all questions together: what gives answers away, and whether the course can be passed.
"""

from collections.abc import Iterator

from zigzag_core.compiler.questions import grader_of
from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.questions import question as q
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.grading.grade import is_judged, judge
from zigzag_core.grading.solutions import right_response
from zigzag_core.program import Grader

from .finding import Finding

ENOUGH = 5
"""From so many questions on a pattern over the course is one."""
_PLACES = ("first", "second", "third", "fourth", "fifth", "sixth")


def pattern_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what gives answers away over a whole course."""
    asked = [
        (question, slide) for slide in document.slides for question in slide.questions
        if isinstance(question, q.SingleChoice) and len(question.choices) > 2
        and sum(choice.right for choice in question.choices) == 1
    ]
    if len(asked) >= ENOUGH and all(_longest_is_right(*one) for one in asked):
        yield Finding(level="warning", code="longest_is_right",
                      message="The longest answer is the right one in every question.")
    place = _same_place([question for question, _ in asked])
    if len(asked) >= ENOUGH and place:
        yield Finding(level="warning", code="same_place",
                      message=f"The right answer is always the {place} one.")
    truths = [
        question.choices[0].right for slide in document.slides for question in slide.questions
        if isinstance(question, q.TrueFalse) and len(question.choices) == 2
    ]
    if len(truths) >= ENOUGH and len(set(truths)) == 1:
        word = "true" if truths[0] else "false"
        yield Finding(level="warning", code="same_truth",
                      message=f"Every statement that is to be judged is {word}.")


def _longest_is_right(question: q.SingleChoice, slide: Slide) -> bool:
    words = all_spoken(slide.elements)
    lengths = [len(words[choice.element]) for choice in question.choices]
    right = next(n for n, choice in enumerate(question.choices) if choice.right)
    return lengths[right] == max(lengths) and lengths.count(max(lengths)) == 1


def _same_place(questions: list[q.SingleChoice]) -> str | None:
    """The one place, from the front or the end, at which the right answer always stands."""
    from_front, from_end = set[int](), set[int]()
    for question in questions:
        right = next(n for n, choice in enumerate(question.choices) if choice.right)
        if question.shuffle and not question.choices[right].pinned:
            return None
        from_front.add(right)
        from_end.add(len(question.choices) - right)
    if len(from_front) == 1:
        return next((_PLACES[n] for n in from_front if n < len(_PLACES)), None)
    return "last" if from_end == {1} else None


def score_findings(document: CourseDocument, unreached: set[str]) -> Iterator[Finding]:
    """Yield why the pass mark cannot be reached; nothing leads to the slides `unreached`."""
    if not document.course.completion.passing:
        return
    graders = [
        (slide.id, grader_of(slide, question))
        for slide in document.slides for question in slide.questions
        if question.purpose == "scored" and question.points
    ]
    out_of = sum(grader.points for _, grader in graders if is_judged(grader))
    if not out_of:
        yield Finding(level="error", code="cannot_pass",
                      message="Passing counts, but no question gives points: nobody can pass.")
        return
    most = sum(_most_points(grader) for slide, grader in graders if slide not in unreached)
    reached = int(most / out_of * 10_000 + 0.5) / 100
    if reached < document.course.pass_mark:
        yield Finding(level="error", code="pass_mark_unreached", message=(
            f"The pass mark is {document.course.pass_mark:g} %, but no more than {reached:g} % can "
            "be reached: nobody can pass."))


def _most_points(grader: Grader) -> float:
    """The points of the best answer; rows of an answer table are taken to be reachable."""
    rows = [min(row.points, grader.points) for row in grader.rows if row.points is not None]
    best = judge(grader.model_copy(update={"rows": ()}), right_response(grader), 1).points
    if grader.partial == "per_answer" and grader.form in ("choose", "spots"):
        each = sorted((part.points for part in grader.parts if part.points > 0), reverse=True)
        best = min(max(best, sum(each[: grader.at_most])), grader.points)
    return max(best, *rows) if rows else best
