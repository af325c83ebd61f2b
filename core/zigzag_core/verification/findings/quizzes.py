"""Checks of quizzes: what cannot be drawn as asked, what is never drawn, what is not fair."""

from collections.abc import Iterator, Mapping, Sequence

from zigzag_core.compiler.quizzes import program_quizzes
from zigzag_core.compiler.scope import facts_of
from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.document import Section
from zigzag_core.course.questions.descriptors import is_judged
from zigzag_core.course.quizzes import QuestionSet, Quiz
from zigzag_core.course.sections import quizzes_of
from zigzag_core.course.text.spoken import spoken
from zigzag_core.engine.quiz_results import percent
from zigzag_core.program.quiz import DrawnSet, ProgramQuiz
from zigzag_core.quiz.drawing import Draws
from zigzag_core.quiz.reach import reachable

from .finding import Finding

_WORDS_A_MINUTE = 300
"""Somebody who reads fast; who reads slower needs more."""


def quiz_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what is odd about the quizzes of a course."""
    course = document.course
    quizzes = quizzes_of(course.slides, course.sections)
    if course.scoring != "points" and not _gives_score(course.scoring, quizzes, document):
        yield _finding("no_score", (
            "The score is made of the results of quizzes, but no quiz gives points or weighs "
            "anything: the course has no score."), None, "error")
    if not quizzes:
        return
    made = {quiz.id: quiz for quiz in program_quizzes(
        course, [facts_of(slide) for slide in document.slides])}
    for section, quiz, own in quizzes:
        if section.id in made:
            yield from _of_quiz(section.title, quiz, own, made[section.id], document)
        else:
            yield _finding("quiz_empty", f"The quiz “{section.title}” has no slides.", None)


def _gives_score(
    scoring: str, quizzes: Sequence[tuple[Section, Quiz, Sequence[str]]], document: CourseDocument
) -> bool:
    giving = {slide.id for slide in document.slides
              if any(q.purpose == "scored" and is_judged(q) and q.points for q in slide.questions)}
    return any(giving & set(own) for _, quiz, own in quizzes if scoring == "best" or quiz.weight)


def _of_quiz(
    title: str, quiz: Quiz, own: Sequence[str], made: ProgramQuiz, document: CourseDocument
) -> Iterator[Finding]:
    draws = Draws(made)
    for one, drawn in zip(quiz.sets, draws.sets, strict=True):
        yield from _of_set(one, own, document)
        if drawn.impossible:
            asked = sum(unit.questions for unit in drawn.drawn.units)
            why = (f"draws {one.take} questions, but it has {asked}"
                   if one.take is not None and one.take > asked else
                   f"has no draw of {one.take} questions that keeps to its balances and to what is "
                   "kept together")
            yield _finding("set_impossible", f"The set “{one.name}” {why}. All of it is taken.",
                           one.slides[0] if one.slides else None, "error")
    yield from _unset(quiz, own, document)
    yield from _pins(quiz)
    if quiz.take is not None and quiz.take > len(quiz.sets):
        yield _finding("too_few_sets", (
            f"The quiz “{title}” draws {quiz.take} sets, but it has {len(quiz.sets)}."),
            own[0])
    yield from _of_taking(title, quiz, made, document)
    low, high = reachable(draws, {slide.id: _worth(slide) for slide in document.slides})
    if high - low > 1e-9:
        yield _finding("draws_differ", (
            f"In the quiz “{title}” some learners can get {high:g} points and others only "
            f"{low:g}, by what is drawn for them."), own[0])


def _of_taking(
    title: str, quiz: Quiz, made: ProgramQuiz, document: CourseDocument
) -> Iterator[Finding]:
    """Quizzes that do not end, results before the questions, time that is too short to read them.
    """
    if quiz.judged == "end" and not made.outcomes:
        yield _finding("never_judged", (
            f"The answers of the quiz “{title}” are judged at its end, but it has no outcome "
            "slide: they are never judged. Add one in Plan."), made.slides[0], "error")
    for slide in made.opening:
        if slide in quiz.outcomes and made.sets:
            yield _finding("outcome_too_early", (
                f"An outcome slide of the quiz “{title}” stands before its questions: the quiz "
                "is over as soon as learners come back to it."), slide)
    yield from _without_end(title, quiz, made)
    yield from _bands(title, quiz, made, document)
    if _gives_away(quiz, document, made):
        yield _finding("gives_answers_away", (
            f"Learners can look at the quiz “{title}” again while attempts are left, and see what "
            "would have been right. Let them do so after the last attempt, or not show it."),
            made.slides[0])
    if quiz.time_limit is not None:
        words = {slide.id: sum(len(spoken(e).split()) for e in slide.elements)
                 for slide in document.slides}
        least = sum(_fewest_words(one, words) for one in made.sets)
        seconds = least / _WORDS_A_MINUTE * 60
        if seconds > quiz.time_limit:
            yield _finding("time_too_short", (
                f"The quiz “{title}” has {quiz.time_limit} s, but only reading its questions "
                f"takes {round(seconds)} s or more in any draw."), made.slides[0])


def _without_end(title: str, quiz: Quiz, made: ProgramQuiz) -> Iterator[Finding]:
    """Settings that hold once an attempt is finished, of a quiz that no learner finishes."""
    if made.outcomes:
        return
    names = [name for asked, name in (
        (quiz.review != "always", "when it can be looked at again"),
        (quiz.wait is not None, "the wait between attempts")) if asked]
    if names:
        yield _finding("never_finished", (
            f"For the quiz “{title}” it is set {' and '.join(names)}, but without an outcome "
            "slide no attempt is ever finished. Add one in Plan."), made.slides[0])


def _bands(
    title: str, quiz: Quiz, made: ProgramQuiz, document: CourseDocument
) -> Iterator[Finding]:
    """Bands that no result is in, whatever is drawn."""
    draws = Draws(made)
    if quiz.banded != "percent":
        _, most = reachable(draws, {
            slide.id: float(len(slide.questions)) if quiz.banded == "right" else _worth(slide)
            for slide in document.slides})
        for band in quiz.bands:
            if band.least > most:
                yield _finding("band_out_of_reach", (
                    f"Nobody reaches the band “{band.name}” of the quiz “{title}”: it begins at "
                    f"{band.least:g}, and no draw gives more than {most:g}."), made.slides[0])
        return
    bands = [band for band in quiz.bands if band.of is None]
    results = _percents(draws, document) if bands else set()
    for place, band in enumerate(bands):
        end = bands[place + 1].least if place + 1 < len(bands) else 101.0
        if results and not any(band.least <= one < end for one in results):
            yield _finding("band_out_of_reach", (
                f"Nobody reaches the band “{band.name}” of the quiz “{title}”: no number of right "
                f"answers gives from {band.least:g} % to less than {min(end, 100):g} %."),
                made.slides[0])


def _percents(draws: Draws, document: CourseDocument) -> set[float]:
    """The results that there can be, in per cent, where all questions count alike; else nothing."""
    drawn = set(draws.quiz.slides)
    asked = [question for slide in document.slides if slide.id in drawn
             for question in slide.questions
             if question.purpose == "scored" and is_judged(question)]
    if len({question.points for question in asked}) != 1 or any(
            question.partial != "none" or question.penalty or question.unanswered
            or question.attempt_loss or question.attempt_points for question in asked):
        return set()
    fewest, most = reachable(draws, {
        slide.id: float(sum(one in asked for one in slide.questions)) for slide in document.slides})
    return {percent(right / count) for count in range(max(int(fewest), 1), int(most) + 1)
            for right in range(count + 1)}


def _worth(slide: Slide) -> float:
    return sum(q.points for q in slide.questions if q.purpose == "scored" and is_judged(q))


def _gives_away(quiz: Quiz, document: CourseDocument, made: ProgramQuiz) -> bool:
    """Whether the right answers are seen while attempts that are few are left."""
    if quiz.review not in ("always", "passed") or not made.outcomes \
            or quiz.attempts is None or quiz.attempts < 2:
        return False
    if quiz.review == "passed" and quiz.counts != "last":
        return False
    return "right" in quiz.shows or any(
        question.show_right for slide in document.slides if slide.id in made.slides
        for question in slide.questions)


def _fewest_words(drawn: DrawnSet, words: Mapping[str, int]) -> int:
    """How many words a draw of a set has at the least, limits aside."""
    units = sorted(sum(words.get(slide, 0) for slide in unit.slides)
                   for unit in drawn.units if unit.questions)
    most = max((unit.questions for unit in drawn.units), default=1)
    return sum(units if drawn.take is None else units[:drawn.take // max(most, 1)])


def _of_set(one: QuestionSet, own: Sequence[str], document: CourseDocument) -> Iterator[Finding]:
    titles = {slide.id: slide.title for slide in document.slides}
    if not one.slides:
        yield _finding("set_empty", f"The set “{one.name}” has no questions.", None)
    for slide in one.slides:
        if slide not in own:
            yield _finding("set_slide_outside", (
                f"“{titles.get(slide, '')}” is in the set “{one.name}”, but not in its quiz: it is "
                "not drawn."), slide)
    for group in one.together:
        for pin, at, word in ((one.first, 0, "first"), (one.last, -1, "last")):
            if pin in group.slides and group.slides[at] != pin:
                yield _finding("pin_in_group", (
                    f"“{titles.get(pin or '', '')}” is to be {word} in the set “{one.name}”, but "
                    "other slides are kept together with it on that side."), pin)


def _unset(quiz: Quiz, own: Sequence[str], document: CourseDocument) -> Iterator[Finding]:
    """Questions between the sets that are in none."""
    in_sets = {slide for one in quiz.sets for slide in one.slides}
    places = [place for place, slide in enumerate(own) if slide in in_sets]
    if not places:
        return
    between = set(own[places[0]:places[-1]]) - in_sets
    for slide in document.slides:
        if slide.id in between and slide.questions:
            yield _finding("question_in_no_set", (
                f"“{slide.title}” stands between the questions of sets, but is in no set: it comes "
                "after them."), slide.id)


def _pins(quiz: Quiz) -> Iterator[Finding]:
    """Where all sets are shuffled as one, only one slide can be first, and one last."""
    if quiz.order != "mixed":
        return
    for word in ("first", "last"):
        pinned = [one for one in quiz.sets if getattr(one, word) is not None]
        if len(pinned) > 1:
            names = " and ".join(f"“{one.name}”" for one in pinned[:2])
            yield _finding("two_pins", (
                f"The sets {names} both have a slide that is to be {word}, but all sets are "
                "shuffled as one."), getattr(pinned[0], word))


def _finding(code: str, message: str, slide: str | None, level: str = "warning") -> Finding:
    return Finding.model_validate(
        {"level": level, "code": code, "message": message, "slide": slide})
