"""Questions kept in a bank: out of a course, into another one, and what has changed since.

In a course the parts of a question from a bank have ids made of the slide's and the bank's own:
the same ones at every version. So learners' progress and recorded paths last through a change, and
one question can be in a course twice.
"""

from collections.abc import Sequence
from hashlib import blake2b

from zigzag_core.course import (
    Button,
    Course,
    MediaFile,
    Slide,
    ToNext,
    Variable,
)
from zigzag_core.course.banked import BankRef
from zigzag_core.course.document import Section
from zigzag_core.course.elements.element import Element
from zigzag_core.course.layouts.resolve import Sources, resolved, styled
from zigzag_core.course.model import Id, Model
from zigzag_core.course.questions.settings import LABELS
from zigzag_core.course.quizzes import QuestionSet
from zigzag_core.course.references import (
    Identity,
    Reference,
    identities,
    named,
    pruned,
    rewired,
)
from zigzag_core.course.style.style import GIVEN_LOOKS, Style
from zigzag_core.course.style.theme import NamedStyle
from zigzag_core.errors import NoQuiz

from .copies.copying import Clipping, welcome
from .idle import is_idle
from .quizzes.making import into_quiz

_OF_A_COURSE = frozenset({"slide", "section", "set", "band", "layout"})
"""What a question in a bank cannot name: it is in no course."""


class Banked(Model):
    """A slide with its questions as a bank keeps it, with what it uses of the `course` it is from.
    """

    slide: Slide
    variables: tuple[Variable, ...] = ()
    media: tuple[MediaFile, ...] = ()
    styles: tuple[NamedStyle, ...] = ()
    course: Id


def kept(slide: Slide, course: Course, before: Banked | None = None) -> Banked:
    """Return `slide` as a bank keeps it: on its own, naming nothing else of `course`.

    What its layout gives it is its own then. Named styles come along; what it follows of them, and
    of the defaults of its quiz, is left to the course that it comes to. With what the bank had
    `before`, and of which the slide is a version, parts keep the ids that they have there.
    """
    whole = resolved(slide.model_copy(update={"questions": ()}), Sources(course))
    whole = whole.model_copy(update={
        "elements": tuple(map(_alone, whole.elements)), "questions": slide.questions,
        "layout": None, "bank": None, "onward": ToNext(), "indent": 0})
    if before is not None and not (slide.bank and slide.bank.from_here):
        back = {
            Identity(identity.kind, _derived(slide.id, identity)): identity.id
            for identity in identities(before.slide) if identity.kind != "slide"}
        back[Identity("slide", slide.id)] = before.slide.id
        whole = rewired(whole, back)

    def is_gone(found: Reference | Identity) -> bool:
        return isinstance(found, Reference) and not found.weak \
            and set(found.kinds) <= _OF_A_COURSE and found.id != whole.id

    whole = pruned(whole, is_gone, is_idle) or whole
    variables, media, styles = (named(whole, kind) for kind in ("variable", "medium", "style"))
    return Banked(
        slide=whole, course=course.id,
        variables=tuple(one for one in course.variables if one.id in variables),
        media=tuple(one for one in course.media if one.id in media),
        styles=tuple(one for one in course.styles if one.id in styles))


def taken(
    banked: Banked, course: Course, slide: str, ref: BankRef | None
) -> tuple[Course, Slide]:
    """Return `course` with what a question of a bank uses, and the question as its slide `slide`.

    With a `ref` it is used by reference, else it is a copy. The course does not list the slide yet.
    """
    ids = {} if ref is not None and ref.from_here else {
        identity: _derived(slide, identity) for identity in identities(banked.slide)
        if identity.kind != "slide"
        and not (identity.kind == "look" and identity.id in GIVEN_LOOKS)}
    ids[Identity("slide", banked.slide.id)] = slide
    course = welcome(course, Clipping(
        variables=banked.variables, media=banked.media, styles=banked.styles,
        course=banked.course))
    styles = Sources(course).styles
    made = rewired(banked.slide, ids)
    return course, made.model_copy(update={
        "bank": ref, "elements": tuple(styled(e, styles) for e in made.elements)})


def with_banked(
    course: Course, section: str, into: str, questions: Sequence[tuple[Banked, BankRef | None]],
    slides: Sequence[str],
) -> tuple[Course, tuple[Slide, ...]]:
    """Return `course` with questions of a bank in the set `into` of a quiz, and their slides.

    `slides` are new ids for these. Raises `NoQuiz` where the section is no quiz, or has no such
    set; `TooLong` where the course or the set would get more than it holds.
    """
    found = next((one for one in course.sections if one.id == section), None)
    if found is None or found.quiz is None or all(one.id != into for one in found.quiz.sets):
        raise NoQuiz
    made = []
    for (banked, ref), name in zip(questions, slides, strict=True):
        course, slide = taken(banked, course, name, ref)
        made.append(slide)
    return into_quiz(course, _with_slides(found, into, slides), slides), tuple(made)


def updated(
    slide: Slide, banked: Banked, version: int, course: Course
) -> tuple[Course, Slide]:
    """Return the slide that is a question of a bank by reference as the bank has it now.

    Where it leads, and how far in it stands, stay the course's. Raises `ValueError` where the slide
    is no such question.
    """
    if slide.bank is None:
        raise ValueError(f"{slide.id} is no question of a bank")
    ref = slide.bank.model_copy(update={"version": version})
    course, made = taken(banked, course, slide.id, ref)
    return course, made.model_copy(update={"onward": slide.onward, "indent": slide.indent})


def differs(slide: Slide, banked: Banked, course: Course) -> bool:
    """Return whether a slide that is a question of a bank was changed in its course.

    They are compared as they look in this course. The words on buttons that follow a quiz are the
    quiz's.
    """
    sources = Sources(course)
    return _seen(kept(slide, course, banked).slide, sources) != _seen(banked.slide, sources)


def _seen(slide: Slide, sources: Sources) -> Slide:
    """The slide as it looks, without what is told of its looks, and without words of a quiz."""
    buttons = {getattr(question, role) for question in slide.questions
               for setting, role in LABELS.items() if setting in question.follows}
    return slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"own": (), **(
            {"label": ""} if isinstance(e, Button) and e.id in buttons else {})})
        for e in (styled(e, sources.styles) for e in slide.elements))})


def _with_slides(section: Section, into: str, slides: Sequence[str]) -> Section:
    def grown(one: QuestionSet) -> QuestionSet:
        more = (*one.slides, *slides)
        return one.model_copy(update={"slides": more}) if one.id == into else one

    quiz = section.quiz
    return section if quiz is None else section.model_copy(update={
        "quiz": quiz.model_copy(update={"sets": tuple(map(grown, quiz.sets))})})


def _alone(element: Element) -> Element:
    """The element on its own: it fills no slot of a layout, and has no more than its own style."""
    if element.named_style is None:
        return element.model_copy(update={"slot": None, "own": ()})
    own = {name for name in element.own if name in Style.model_fields}
    return element.model_copy(update={
        "slot": None, "own": tuple(name for name in element.own if name != "box"),
        "style": Style().model_copy(update={name: getattr(element.style, name) for name in own}),
        "looks": element.looks if "looks" in element.own else {}})


def _derived(slide: str, identity: Identity) -> str:
    """The id that a part of a question from a bank has on the slide `slide` of a course."""
    text = f"{slide}/{identity.kind}/{identity.id}".encode()
    number = int.from_bytes(blake2b(text, digest_size=9).digest())
    digits = "abcdefghijklmnopqrstuvwxyz0123456789"
    found = ""
    for _ in range(12):
        number, rest = divmod(number, 36)
        found += digits[rest]
    return found
