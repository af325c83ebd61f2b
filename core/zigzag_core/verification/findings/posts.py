"""Checks of the reports of quizzes: sent nowhere, never sent, with fields that are gone."""

from collections.abc import Iterator
from typing import get_args

from zigzag_core.course import CourseDocument
from zigzag_core.course.posts import FIELD, Post
from zigzag_core.course.sections import quizzes_of
from zigzag_core.course.text.rich_text import TAG, LiveValue

from .finding import Finding


def post_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what is odd about where the results of quizzes are sent, and what is said there."""
    course = document.course
    known = {
        *get_args(LiveValue), *(variable.id for variable in course.variables),
        *(one.id for _, quiz, _ in quizzes_of(course.slides, course.sections) for one in quiz.sets),
        *(f"{TAG}{tag}" for slide in document.slides if slide.questions for tag in slide.tags)}
    for section, quiz, own in quizzes_of(course.slides, course.sections):
        if quiz.post is not None and own:
            for code, message in _of_post(section.title, quiz.post, known):
                yield Finding(level="warning", code=code, message=message, slide=own[0])
            if not set(quiz.outcomes) & set(own):
                yield Finding(
                    level="error", code="report_never", slide=own[0], message=(
                        f"The quiz “{section.title}” is to be reported when it is finished, but "
                        "without an outcome slide no attempt is ever finished. Add one in Plan."))


def _of_post(title: str, post: Post, known: set[str]) -> Iterator[tuple[str, str]]:
    if not (post.to_receiver or post.web):
        yield "report_nowhere", (
            f"The quiz “{title}” is to be reported, but to no address, and it is not listed.")
    if post.web.startswith("http:"):
        yield "report_open", (
            f"Reports of the quiz “{title}” go to an address without encryption (http). From an "
            "LMS with https browsers do not send them at all.")
    for field in post.fields:
        if field.of not in known:
            yield "report_field_gone", (
                f"The field “{field.name}” of the reports of “{title}” names a variable that is "
                "gone.")
    names = {field.name for field in post.sent}
    texts = (post.subject, post.before, post.after, post.small_print)
    for word in dict.fromkeys(gap for text in texts for gap in FIELD.findall(text)):
        if word not in names:
            yield "report_word_gone", (
                f"The mails about “{title}” name a field “{word}” that the report does not have.")
