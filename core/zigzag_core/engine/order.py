"""The slides of a program as one learner gets them. The twin is `web/player/engine/order.ts`."""

from collections.abc import Iterator
from functools import cached_property

from zigzag_core.course import Nowhere, ToSlide
from zigzag_core.grading.grade import gives_points, most_of
from zigzag_core.program import Grader, Program

from .state import Draw


class Order:
    """The `slides` in the order of a learner for whom the quizzes were drawn as in `draws`.

    A quiz that was not drawn has all of its slides. `onward` gives where *next* leads from each,
    when no fork says otherwise.
    """

    def __init__(self, program: Program, draws: tuple[Draw, ...] = ()) -> None:
        self._program = program
        self._kept = {draw.quiz: draw.kept for draw in draws}
        self._drawn = {draw.quiz: draw.slides for draw in draws}
        self._asked = {
            quiz.details for quiz in program.quizzes for draw in draws
            if draw.quiz == quiz.id and draw.attempt > 1}
        """Slides that have asked for details; they do not come again."""
        self._quiz = {
            slide: quiz for quiz in program.quizzes if quiz.id in self._drawn
            for slide in quiz.slides}
        self.slides = tuple(self._put_in_order())
        self.position = {slide: place for place, slide in enumerate(self.slides)}
        self.onward = dict(self._onward())
        self.ahead: dict[str, frozenset[str]] = {}
        """By slide, what can be come to from it, as far as somebody has asked (`ways`)."""
        self._asking = {question.slide for question in program.questions}
        self._graders: dict[str, tuple[Grader, ...]] = {}
        self._numbers: dict[str, tuple[int, int]] = {}

    def landing(self, slide: str) -> str | None:
        """Return where one comes to who goes to `slide`: of a quiz, where it was not drawn, to its
        first; None where there is nothing.
        """
        if slide in self.position:
            return slide
        quiz = self._quiz.get(slide)
        drawn = self._drawn[quiz.id] if quiz else ()
        return next((name for name in drawn if name in self.position), None)

    def entrance(self, slide: str) -> str | None:
        """Return where a way leads that the author has set to `slide`.

        The first slide of a quiz, as the course has it, stands for the quiz.
        """
        quiz = self._quiz.get(slide)
        if quiz is not None and slide == quiz.slides[0]:
            return next((name for name in self._drawn[quiz.id] if name in self.position), None)
        return self.landing(slide)

    @cached_property
    def scored(self) -> tuple[Grader, ...]:
        """The questions that give points."""
        kept = {slide for slides in self._kept.values() for slide in slides}
        return tuple(
            q for q in self._program.questions
            if gives_points(q) and (q.slide in self.position or q.slide in kept))

    @cached_property
    def max_points(self) -> float:
        """Points that can be reached."""
        return sum(map(most_of, self.scored))

    @cached_property
    def questions(self) -> int:
        """How many questions there are on the slides."""
        return sum(question.slide in self.position for question in self._program.questions)

    def of_quiz(self, quiz: str) -> tuple[str, ...]:
        """Return the slides of a quiz that the learner gets, in order."""
        whole = next((q.slides for q in self._program.quizzes if q.id == quiz), ())
        return tuple(name for name in self._drawn.get(quiz, whole) if name in self.position)

    def graders(self, quiz: str) -> tuple[Grader, ...]:
        """Return the questions of a quiz that the learner gets, and those answered right before."""
        found = self._graders.get(quiz)
        if found is None:
            whole = next((q.slides for q in self._program.quizzes if q.id == quiz), ())
            own = {*self._drawn.get(quiz, whole), *self._kept.get(quiz, ())}
            found = self._graders[quiz] = tuple(
                q for q in self._program.questions if q.slide in own)
        return found

    def numbers(self, slide: str) -> tuple[int, int]:
        """Return how many slides ask something up to `slide`, it included, and how many in all.

        Of the quiz that it is in, else of the course.
        """
        found = self._numbers.get(slide)
        if found is None:
            quiz = self._quiz.get(slide)
            own = self._drawn[quiz.id] if quiz else self.slides
            place = own.index(slide) + 1 if slide in own else 0
            found = self._numbers[slide] = (
                sum(name in self._asking for name in own[:place]),
                sum(name in self._asking for name in own))
        return found

    def _put_in_order(self) -> Iterator[str]:
        there = {slide.id for slide in self._program.slides}
        begun: set[str] = set()
        for slide in self._program.slides:
            quiz = self._quiz.get(slide.id)
            if quiz is None:
                yield slide.id
            elif quiz.id not in begun:
                begun.add(quiz.id)
                yield from (name for name in self._drawn[quiz.id]
                            if name in there and name not in self._asked)

    def _onward(self) -> Iterator[tuple[str, str | None]]:
        own = {slide.id: slide.onward for slide in self._program.slides}
        for slide, after in zip(self.slides, [*self.slides[1:], None], strict=True):
            match own[slide]:
                case ToSlide(slide=target):
                    yield slide, self.entrance(target) or after
                case Nowhere():
                    yield slide, None
                case _:
                    yield slide, after
