"""What the slides of a course may know of each other, and of the course."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, fields, replace
from functools import cached_property
from hashlib import blake2b

from pydantic_core import to_json

from zigzag_core.course import Course, Gate, Input, Rule, Slide
from zigzag_core.course.document import Section
from zigzag_core.course.model import Model
from zigzag_core.course.questions.feedback import FeedbackDesign
from zigzag_core.course.quizzes import Level, Quiz
from zigzag_core.course.references import VARIABLES, named, references
from zigzag_core.course.rules.patterns import Pattern, Steps
from zigzag_core.course.rules.rule import StartOver
from zigzag_core.course.rules.rule_use import actions_of, rules_on
from zigzag_core.course.sections import quizzes_of, section_around
from zigzag_core.words import Say, player_words, say_with

from .dialogues.asking import endings_on
from .dialogues.moments import count_of, end_of, said_in
from .names import internal


class SlideContents(Model):
    """What is on a slide, for the few that ask: starting over, and *read again*.

    `changes` are the variables that the slide changes, `keeps` those that its patterns keep for
    themselves.
    """

    title: str
    elements: tuple[str, ...] = ()
    questions: tuple[str, ...] = ()
    changes: tuple[str, ...] = ()
    keeps: tuple[str, ...] = ()


class SlideFacts(Model):
    """What other slides, and the course, may know of a slide.

    `inputs` gives by input the variable that keeps what is entered, `steps` by pattern of steps
    how many it has. `pictures` are those of its feedback. `tags` and `level` are for the balances
    of a quiz. `asks` says that the slide itself asks for the contents of others.
    """

    id: str
    overlays: tuple[str, ...] = ()
    inputs: dict[str, str] = {}
    steps: dict[str, int] = {}
    pictures: tuple[str, ...] = ()
    tags: tuple[str, ...] = ()
    level: Level | None = None
    contents: SlideContents
    asks: bool = False


def facts_of(slide: Slide) -> SlideFacts:
    """Return what others may know of `slide`, which is as its layout makes it look."""
    return SlideFacts(
        id=slide.id, overlays=tuple(overlay.id for overlay in slide.overlays),
        inputs={
            e.id: e.variable for e in slide.elements if isinstance(e, Input) and e.variable
        },
        steps={p.id: len(p.steps) for p in slide.patterns if isinstance(p, Steps)},
        pictures=tuple(sorted(
            {name for q in slide.questions for name in named(q.feedback, "medium")})),
        tags=slide.tags, level=slide.level,
        contents=SlideContents(
            title=slide.title, elements=tuple(element.id for element in slide.elements),
            questions=tuple(question.id for question in slide.questions),
            changes=tuple(sorted(
                {found.id for found in references(slide, kinds=VARIABLES) if found.sets})),
            keeps=(
                *(name for pattern in slide.patterns for name in _kept_by(pattern)),
                *(name for dialogue in slide.dialogues
                  for name in (count_of(dialogue), said_in(dialogue))),
                *map(end_of, endings_on(slide))),
        ),
        asks=any(question.feedback.read_again for question in slide.questions)
        or _starts_over(rule for rule, _ in rules_on(slide)),
    )


def _starts_over(rules: Iterable[Rule]) -> bool:
    return any(isinstance(action, StartOver) and action.what != "dialogue"
               for rule in rules for action in actions_of(rule))


def _kept_by(pattern: Pattern) -> Iterable[str]:
    ticks = len(pattern.items) if pattern.kind == "checklist" else 0
    for what in ("step", "far", "share", *(f"tick{n}" for n in range(ticks))):
        yield internal(pattern.id, what)


@dataclass(frozen=True)
class Scope:
    """All that a slide may know when it is compiled, beside itself.

    What a slide comes to depends on nothing else, so it may be kept while both stay the same.
    `contents` are of all slides, or of none for a slide that does not ask. `variables` are those
    that the author has made, `pictures` gives the width and height of feedback's pictures. `words`
    are the player's, by key.
    """

    order: tuple[str, ...]
    contents: Mapping[str, SlideContents]
    overlays: frozenset[str]
    inputs: Mapping[str, str]
    steps: Mapping[str, int]
    sections: tuple[Section, ...]
    variables: tuple[str, ...]
    pictures: Mapping[str, tuple[int, int]]
    gate: Gate | None
    feedback: FeedbackDesign
    words: Mapping[str, str]

    @cached_property
    def say(self) -> Say:
        """Says the player's words, in the course's language."""
        return say_with(self.words)

    @cached_property
    def brief(self) -> "Scope":
        """The same without the contents of slides."""
        return replace(self, contents={})

    def of(self, slide: SlideFacts) -> "Scope":
        """Return what `slide` may know: contents only where it, or a section's rule, asks."""
        return self if slide.asks or self._sections_ask else self.brief

    @cached_property
    def fingerprint(self) -> str:
        """Differs, in any process, where anything in it does."""
        values = {one.name: getattr(self, one.name) for one in fields(self)}
        values["overlays"] = sorted(self.overlays)
        return blake2b(to_json(values), digest_size=16).hexdigest()

    @cached_property
    def _sections_ask(self) -> bool:
        return any(_starts_over(section.rules) for section in self.sections)

    def title_of(self, slide: str) -> str:
        """Return the title of a slide; empty where it is gone."""
        found = self.contents.get(slide)
        return found.title if found else ""

    def section_of(self, slide: str) -> tuple[str, ...]:
        """Return the slides of the section that `slide` is in, in order."""
        return section_around(self.order, self.sections, slide)

    @cached_property
    def quizzes(self) -> tuple[tuple[str, tuple[str, ...]], ...]:
        """The quizzes that have slides, in the order of the course, each with these."""
        return tuple((section.id, own)
                     for section, _, own in quizzes_of(self.order, self.sections) if own)

    @cached_property
    def _judged_at_end(self) -> frozenset[str]:
        return frozenset(
            slide for _, quiz, own in quizzes_of(self.order, self.sections)
            if quiz.judged == "end" for slide in own)

    def collects(self, slide: str) -> bool:
        """Return whether what `slide` asks is judged at the end of its quiz."""
        return slide in self._judged_at_end

    @cached_property
    def _said_again(self) -> frozenset[str]:
        return frozenset(
            slide for _, quiz, own in quizzes_of(self.order, self.sections)
            if "feedback" in quiz.shows for slide in own)

    def says_again(self, slide: str) -> bool:
        """Return whether a review shows the feedback to what `slide` asks."""
        return slide in self._said_again

    @cached_property
    def details(self) -> frozenset[str]:
        """Slides that ask for a learner's details: what was said there outlasts starting over."""
        return frozenset(
            quiz.details for _, quiz, own in quizzes_of(self.order, self.sections)
            if quiz.details in own)

    def quiz_for(self, slide: str) -> tuple[str, tuple[str, ...]] | None:
        """Return the quiz that `slide` is in, else the last before it, else the first; with its
        slides.
        """
        here = self.order.index(slide)
        before = [quiz for quiz in self.quizzes if self.order.index(quiz[1][0]) <= here]
        return before[-1] if before else next(iter(self.quizzes), None)


def scope_of(course: Course, slides: Sequence[SlideFacts]) -> Scope:
    """Return what slides may know in `course`; `slides` are the facts of all, in its order."""
    wanted = {name for slide in slides for name in slide.pictures}
    return Scope(
        order=tuple(slide.id for slide in slides),
        contents={slide.id: slide.contents for slide in slides},
        overlays=frozenset(name for slide in slides for name in slide.overlays),
        inputs={k: v for slide in slides for k, v in slide.inputs.items()},
        steps={k: v for slide in slides for k, v in slide.steps.items()},
        # Of quizzes slides know only where they are, when they are judged, what a review shows, and
        # where they ask for details: what is drawn compiles none anew.
        sections=tuple(
            section.model_copy(update={"quiz": Quiz(
                judged=section.quiz.judged, details=section.quiz.details,
                shows=section.quiz.shows)})
            if section.quiz else section
            for section in course.sections),
        variables=tuple(variable.id for variable in course.variables),
        pictures={file.id: (file.w, file.h) for file in course.media if file.id in wanted},
        gate=course.gate, feedback=course.feedback,
        words=player_words(course.language, course.words),
    )
