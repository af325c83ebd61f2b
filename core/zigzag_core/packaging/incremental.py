"""Compiling a course slide by slide, and only the slides that have changed.

What a slide came to is kept as text. It is used again while the slide's own text, the layouts,
styles and defaults of a quiz that it may follow, and all that it may know of the rest of the course
(`compiler.scope`) are the same. Nothing but these goes into a compiled slide, so what is kept is
never out of date.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, cached_property
from hashlib import blake2b
from pathlib import Path

from pydantic import BaseModel, ConfigDict
from pydantic_core import to_json

import zigzag_core
from zigzag_core.compiler.compile import MediaSource, UsedMedia, program_around, used_media
from zigzag_core.compiler.dialogues.acting import acted
from zigzag_core.compiler.numbering import numbered
from zigzag_core.compiler.record_names import record_name
from zigzag_core.compiler.scope import Scope, SlideFacts, facts_of, scope_of
from zigzag_core.compiler.slides import compiled_slide
from zigzag_core.course import Course, CourseDocument, Remembered, Slide, Variable
from zigzag_core.course.layouts.resolve import Sources, resolved
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.errors import NothingToPublish
from zigzag_core.program import ProgramObjective
from zigzag_core.tracking.words import PackageWords, QuestionWords
from zigzag_core.words import say_in

from .about import question_words


class KeptSlide(BaseModel):
    """A compiled slide as it is kept.

    `source` and `scope` are the fingerprints of what it was compiled from. `program`, `questions`
    and `sets` are its parts of the program as JSON, without what is as by default.
    """

    model_config = ConfigDict(frozen=True)

    source: str
    facts: SlideFacts
    scope: str
    title: str
    program: str
    questions: tuple[str, ...]
    sets: tuple[str, ...]
    variables: tuple[Variable, ...]
    media: tuple[str, ...]
    timed: tuple[str, ...]
    remembered: Remembered
    words: dict[str, QuestionWords]
    objectives: tuple[ProgramObjective, ...]
    watched: tuple[str, ...]


@dataclass(frozen=True)
class CompiledSlide:
    """A slide of a compiled course, its `questions` and `sets`, as JSON; and the ids of its media.
    """

    id: str
    title: str
    program: str
    questions: tuple[str, ...]
    sets: tuple[str, ...]
    media: tuple[str, ...]


@dataclass(frozen=True)
class CompiledCourse:
    """A course ready to be delivered.

    `course` are its settings, which remember the numbers of all its parts. What is JSON lacks what
    is as by default; those who read it fill that in: the player and the workbench in
    ``web/player/engine/filled.ts``. `around` is the program without its slides, questions and
    sets. `used` are the files that learners come to see or hear.
    """

    course: Course
    around: str
    slides: tuple[CompiledSlide, ...]
    used: UsedMedia
    words: PackageWords

    @property
    def program(self) -> str:
        """The whole program, as JSON."""
        return with_lists(self.around, {
            "slides": [slide.program for slide in self.slides],
            "questions": [text for slide in self.slides for text in slide.questions],
            "sets": [text for slide in self.slides for text in slide.sets],
        })


def with_lists(fields: str, lists: Mapping[str, Sequence[str]]) -> str:
    """Return the JSON object `fields` with lists, given as the JSON of what is in them."""
    inner = [fields[1:-1]] if fields != "{}" else []
    inner += [f'"{name}":[{",".join(texts)}]' for name, texts in lists.items() if texts]
    return f"{{{','.join(inner)}}}"


class Compilation:
    """A course that is compiled from the texts of its slides, and from what was kept of them.

    `texts` are the slides as JSON, in the order of the course. `kept` gives by slide what an
    earlier `fresh` gave. Raises `NothingToPublish` for a course without slides.
    """

    def __init__(
        self, course: Course, texts: Sequence[str], kept: Mapping[str, str] | None = None
    ) -> None:
        if not texts:
            raise NothingToPublish
        self.course = course
        self.fresh: dict[str, str] = {}
        """By slide, what is to be kept that was not."""
        self._texts = dict(zip(course.slides, texts, strict=True))
        self._slides: dict[str, Slide] = {}
        looks = to_json([course.layouts, course.styles])
        self._sources = Sources(course)
        self._say = say_in(course.language, course.words)
        defaults = {
            name: to_json(given) for name, given in self._sources.defaults.items()}
        self._source = {
            name: _hash(_code(), looks, defaults.get(name, b""), text.encode())
            for name, text in self._texts.items()}
        found = {name: _read(text) for name, text in (kept or {}).items() if name in self._texts}
        self._kept = {
            name: one for name, one in found.items() if one and one.source == self._source[name]
        }

    @property
    def unknown(self) -> int:
        """How many slides have changed since they were kept."""
        return len(self._texts) - len(self._kept)

    @property
    def stale(self) -> int:
        """How many slides have to be compiled: those that changed, or what they know has."""
        return sum(not self._usable(name) for name in self._texts)

    def run(self, source: MediaSource, progress: Progress = untold) -> CompiledCourse:
        """Return the compiled course; `progress` is told how much is done."""
        slides = [self._slide(name) for name in telling(self.course.slides, progress)]
        course = numbered(self.course, [slide.remembered for slide in slides])
        by_slide = {name: one.media
                    for name, one in zip(self.course.slides, slides, strict=True)}
        used = used_media(course, by_slide, any(slide.questions for slide in slides))
        around = program_around(
            course, self._scope, self._facts.values(),
            (v for slide in slides for v in slide.variables), used, source,
            (one for slide in slides for one in slide.objectives),
            {name for slide in slides for name in slide.watched},
            {name for slide in slides for name in slide.timed},
        ).model_dump_json(exclude_defaults=True, exclude={"slides", "questions", "sets"})
        words = PackageWords(
            course=course.id, title=course.title, slides=len(slides),
            places={name: one.title for name, one in zip(self.course.slides, slides, strict=True)},
            questions={name: one for slide in slides for name, one in slide.words.items()},
            quizzes={
                **{record_name(section.title, section.id): section.title
                   for section in course.sections if section.quiz},
                **{one.record: one.title for slide in slides for one in slide.objectives}},
        )
        compiled = tuple(
            CompiledSlide(name, slide.title, slide.program, slide.questions, slide.sets,
                          slide.media)
            for name, slide in zip(self.course.slides, slides, strict=True))
        return CompiledCourse(course, around, compiled, used, words)

    @cached_property
    def _facts(self) -> dict[str, SlideFacts]:
        return {
            name: self._kept[name].facts if name in self._kept else facts_of(self._parsed(name))
            for name in self._texts
        }

    @cached_property
    def _scope(self) -> Scope:
        return scope_of(self.course, tuple(self._facts.values()))

    def _parsed(self, name: str) -> Slide:
        if name not in self._slides:
            slide = Slide.model_validate_json(self._texts[name])
            self._slides[name] = acted(
                resolved(slide, self._sources), self.course.styles, self._say)
        return self._slides[name]

    def _usable(self, name: str) -> bool:
        scope = self._scope.of(self._facts[name])
        return name in self._kept and self._kept[name].scope == scope.fingerprint

    def _slide(self, name: str) -> KeptSlide:
        if not self._usable(name):
            slide, facts = self._parsed(name), self._facts[name]
            scope = self._scope.of(facts)
            made = compiled_slide(slide, scope)
            self._kept[name] = KeptSlide(
                source=self._source[name], facts=facts, scope=scope.fingerprint,
                title=made.slide.title, program=_json(made.slide),
                questions=tuple(map(_json, made.questions)), sets=tuple(map(_json, made.sets)),
                variables=made.variables, media=made.media, timed=made.timed,
                remembered=made.remembered, words=question_words(slide, made.questions),
                objectives=made.objectives, watched=made.watched,
            )
            self.fresh[name] = self._kept[name].model_dump_json()
        return self._kept[name]


def compiled_whole(
    document: CourseDocument, source: MediaSource, progress: Progress = untold
) -> CompiledCourse:
    """Return `document` compiled with nothing kept. Raises `NothingToPublish` as above."""
    texts = [slide.model_dump_json() for slide in document.slides]
    return Compilation(document.course, texts).run(source, progress)


def _json(model: BaseModel) -> str:
    return model.model_dump_json(exclude_defaults=True)


def _read(text: str) -> KeptSlide | None:
    """What was kept; nothing where another version of Zigzag has kept it in another form."""
    try:
        return KeptSlide.model_validate_json(text)
    except ValueError:
        return None


@cache
def _code() -> bytes:
    """The fingerprint of the core itself: what another version compiled is not used."""
    folder = Path(zigzag_core.__file__).parent
    found = blake2b(digest_size=16)
    for path in sorted(folder.rglob("*.py")):
        found.update(path.read_bytes())
    return found.digest()


def _hash(*parts: bytes) -> str:
    return blake2b(b"\0".join(parts), digest_size=16).hexdigest()
