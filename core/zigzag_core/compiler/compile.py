"""From document to program: its slides one by one, then what the course adds."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Protocol

from zigzag_core.course import Course, CourseDocument, MediaFile, Variable
from zigzag_core.course.layouts.resolve import resolved_slides
from zigzag_core.course.media_use import media_of_settings
from zigzag_core.course.questions.feedback import FeedbackDesign
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.course.sections import quizzes_of
from zigzag_core.course.style.theme import Colours
from zigzag_core.errors import NothingToPublish
from zigzag_core.program import COURSE, Program, ProgramMedia, ProgramObjective
from zigzag_core.words import not_english, say_in

from .dialogues.acting import acted
from .numbering import numbered
from .quizzes import program_quizzes
from .rules import program_rules
from .scope import Scope, SlideFacts, facts_of, scope_of
from .slides import compiled_slide
from .sounds import program_sounds
from .timed_words import program_speech
from .watching import asked_to_be_watched


class MediaSource(Protocol):
    """Says under which URL a media file is found by the player.

    A drawing that is recoloured has other `colours` than the course's on slides of some quizzes.
    """

    def __call__(self, file: MediaFile, colours: Colours | None = None) -> str:
        """Return the URL of `file`."""
        ...


def by_digest(file: MediaFile, colours: Colours | None = None) -> str:
    """Return what stands for the URL of `file` in a program that nobody looks at."""
    return file.sha256


@dataclass(frozen=True)
class UsedMedia:
    """The files that learners come to see or hear.

    `drawings` are those that quizzes show in the colours of a theme of their own, by section.
    """

    files: tuple[MediaFile, ...]
    drawings: Mapping[str, tuple[Colours, tuple[MediaFile, ...]]]


def compile_course(
    document: CourseDocument, source: MediaSource, progress: Progress = untold
) -> Program:
    """Return the program of `document`; ids stay those of the document, so progress carries over.

    `progress` is told how much is done. Raises `NothingToPublish` for a course without slides.
    """
    if not document.slides:
        raise NothingToPublish
    course = document.course
    say = say_in(course.language, course.words)
    slides = [acted(slide, course.styles, say)
              for slide in resolved_slides(document.slides, course)]
    facts = {slide.id: facts_of(slide) for slide in slides}
    scope = scope_of(document.course, tuple(facts.values()))
    made = [
        compiled_slide(slide, scope.of(facts[slide.id])) for slide in telling(slides, progress)]
    course = numbered(document.course, [one.remembered for one in made])
    used = used_media(
        course, {one.slide.id: one.media for one in made}, any(one.questions for one in made))
    return program_around(
        course, scope, facts.values(), (v for one in made for v in one.variables), used, source,
        (objective for one in made for objective in one.objectives),
        {name for one in made for name in one.watched},
        {name for one in made for name in one.timed},
    ).model_copy(update={
        "slides": tuple(one.slide for one in made),
        "questions": tuple(grader for one in made for grader in one.questions),
        "sets": tuple(seen for one in made for seen in one.sets),
    })


def program_around(
    course: Course, scope: Scope, slides: Collection[SlideFacts], variables: Iterable[Variable],
    used: UsedMedia, source: MediaSource, objectives: Iterable[ProgramObjective],
    watched: Collection[str], timed: Collection[str],
) -> Program:
    """Return what `course` itself adds to the program: all but slides, questions and sets.

    `slides` are the facts of all of them, in order. `variables` are those of patterns, `source`
    gives the URLs of the files that are `used`. The `objectives` are those of the slides,
    `watched` is what they ask of how much was played, `timed` the files whose words they go by.
    """
    return Program(
        course=course.id, title=course.title, language=course.language,
        words=not_english(scope.words), size=course.size,
        theme=course.theme, slides=(), variables=(*course.variables, *variables),
        quizzes=program_quizzes(course, slides, {
            section: {file.id: source(file, colours) for file in files}
            for section, (colours, files) in used.drawings.items()}),
        objectives=tuple(objectives),
        watched=tuple(sorted({*watched, *asked_to_be_watched(course)})),
        # A section's rules are added to its slides.
        rules=program_rules(course.rules, COURSE, scope, None), navigation=course.navigation,
        media={
            file.id: ProgramMedia(
                src=source(file), type=file.type, w=file.w, h=file.h, duration=file.duration,
                soundless=file.soundless, captions=file.captions,
                chapters=tuple(sorted(file.chapters, key=lambda chapter: chapter.since)),
                speech=program_speech(file) if file.id in timed else None,
            )
            for file in used.files
        },
        sounds=program_sounds(course),
        completion=course.completion, pass_mark=course.pass_mark,
        scoring=course.scoring, remembered=course.remembered,
    )


def used_media(
    course: Course, by_slide: Mapping[str, Collection[str]], asks: bool
) -> UsedMedia:
    """Return the files that learners come to see or hear.

    `by_slide` are those of the slides. Feedback has some, but only where the course `asks`
    questions, and background sounds only where a slide plays them.
    """
    without: dict[str, Any] = {"styles": (), "sound": None, "sections": tuple(
        section.model_copy(update={"sound": None}) for section in course.sections)}
    if not asks:
        without["feedback"] = FeedbackDesign()
    around = media_of_settings(course.model_copy(update=without))
    sounds = {sound.media for sound in program_sounds(course)}
    used = around.union(sounds, *by_slide.values())
    files = tuple(file for file in course.media if file.id in used)
    drawings = {}
    for section, quiz, own in quizzes_of(course.slides, course.sections):
        if quiz.theme is not None:
            here = around.union(*(by_slide[slide] for slide in own))
            drawings[section.id] = quiz.theme.colours, tuple(
                file for file in files if file.recoloured and file.id in here)
    return UsedMedia(files, drawings)
