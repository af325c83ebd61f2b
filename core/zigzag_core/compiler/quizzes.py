"""Quizzes: from sets of slides to units that are drawn."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from types import MappingProxyType
from typing import Literal

from zigzag_core.course import Course
from zigzag_core.course.document import Section
from zigzag_core.course.posts import Post
from zigzag_core.course.quizzes import QuestionSet, Quiz
from zigzag_core.course.sections import quizzes_of
from zigzag_core.program.quiz import (
    DrawLimit,
    DrawnSet,
    DrawnUnit,
    ProgramBand,
    ProgramPost,
    ProgramPostField,
    ProgramQuiz,
    ProgramTag,
)

from .record_names import record_name
from .scope import SlideFacts


def program_quizzes(
    course: Course, slides: Collection[SlideFacts],
    drawings: Mapping[str, Mapping[str, str]] = MappingProxyType({}),
) -> tuple[ProgramQuiz, ...]:
    """Return what the quizzes of `course` are drawn from; `slides` are the facts of all.

    `drawings` are the URLs of those that a quiz shows in other colours than the course, by its
    section. A quiz without slides is none. What sets name outside of the section is not drawn.
    """
    facts = {slide.id: slide for slide in slides}
    return tuple(
        _program_quiz(section, quiz, own, facts).model_copy(
            update={"drawings": dict(drawings.get(section.id, {}))})
        for section, quiz, own in quizzes_of(course.slides, course.sections) if own)


def _program_quiz(
    section: Section, quiz: Quiz, own: Sequence[str], facts: dict[str, SlideFacts]
) -> ProgramQuiz:
    in_sets = {slide for one in quiz.sets for slide in one.slides} & set(own)
    first = next((place for place, slide in enumerate(own) if slide in in_sets), len(own))
    return ProgramQuiz(
        id=section.id, slides=tuple(own), opening=tuple(own[:first]),
        sets=tuple(_drawn_set(one, own, facts) for one in quiz.sets),
        tags=tuple(_tags(own, facts)),
        closing=tuple(slide for slide in own[first:] if slide not in in_sets),
        take=quiz.take, order=quiz.order, again=quiz.again,
        attempts=quiz.attempts, counts=quiz.counts, pass_mark=quiz.pass_mark,
        weight=quiz.weight, record=record_name(section.title, section.id),
        time_limit=quiz.time_limit, extendable=quiz.extendable, time_shown=quiz.time_shown,
        outcomes=tuple(slide for slide in quiz.outcomes if slide in own),
        bands=tuple(
            ProgramBand(id=b.id, name=b.name, least=b.least, of=b.of) for b in quiz.bands),
        banded=quiz.banded, way=quiz.way, later=quiz.later, overview=quiz.overview,
        review=quiz.review, shows=quiz.shows, away=quiz.away, wait=quiz.wait,
        details=quiz.details if quiz.details in own[:first] else None,
        theme=quiz.theme, title=section.title if quiz.post else "", post=_program_post(quiz.post),
        review_sent=quiz.review_sent and quiz.post is not None)


def _tags(own: Sequence[str], facts: Mapping[str, SlideFacts]) -> Iterator[ProgramTag]:
    """The tags of the questions of a quiz, by name."""
    found: dict[str, list[str]] = {}
    for slide in own:
        for tag in facts[slide].tags if facts[slide].contents.questions else ():
            found.setdefault(tag, []).append(slide)
    for name, slides in sorted(found.items()):
        yield ProgramTag(name=name, slides=tuple(slides))


def _program_post(post: Post | None) -> ProgramPost | None:
    """What the package says of a post. Mail addresses and words are the receiver's alone."""
    if post is None or not (post.to_receiver or post.web):
        return None
    return ProgramPost(
        fields=tuple(ProgramPostField(name=field.name, of=field.of) for field in post.sent),
        answers=post.answers, receiver=post.to_receiver, web=post.web, form=post.form)


def _drawn_set(one: QuestionSet, own: Sequence[str], facts: dict[str, SlideFacts]) -> DrawnSet:
    inside = set(one.slides) & set(own)
    groups = {slide: group.slides for group in one.together for slide in group.slides}
    units: list[DrawnUnit] = []
    placed: set[str] = set()
    for slide in own:
        if slide not in inside or slide in placed:
            continue
        group = tuple(name for name in groups.get(slide, (slide,)) if name in inside)
        placed.update(group)
        units.append(_unit(group, one, facts))
    return DrawnSet(
        id=one.id, units=tuple(units), take=one.take, shuffled=one.shuffled,
        limits=tuple(DrawLimit(least=b.least, most=b.most) for b in one.balances))


def _unit(group: tuple[str, ...], one: QuestionSet, facts: dict[str, SlideFacts]) -> DrawnUnit:
    pin: Literal["none", "first", "last"] = "none"
    if one.first in group:
        pin = "first"
    elif one.last in group:
        pin = "last"
    asking = [facts[slide] for slide in group if facts[slide].contents.questions]
    return DrawnUnit(
        slides=group, questions=len(asking), pin=pin,
        counts=tuple(sum(balance.fits(slide.tags, slide.level) for slide in asking)
                     for balance in one.balances))
