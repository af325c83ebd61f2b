"""Copies in which what belongs together stays together."""

from collections.abc import Iterable, Mapping
from typing import Any

from zigzag_core.course import (
    Course,
    CourseDocument,
    Element,
    IdSource,
    MediaFile,
    NamedStyle,
    Overlay,
    Pattern,
    Question,
    Rule,
    Slide,
    Variable,
)
from zigzag_core.course.model import Model
from zigzag_core.course.questions.question import answer_elements
from zigzag_core.course.references import (
    Identity,
    Reference,
    identities,
    named,
    pruned,
    references,
    rewired,
)
from zigzag_core.course.rules.patterns import RevealSet, parts
from zigzag_core.course.style.style import GIVEN_LOOKS

from ..arranging.groups import outermost, with_members
from ..idle import is_idle
from ..names import free_name, free_title, named_apart
from ..removing import without_things
from .pattern_parts import items_in, joined
from .question_parts import more_of


class Clipping(Model):
    """Elements cut out or copied, with the questions and patterns that they are parts of.

    `overlays` are those that they open; what stands on these is among the elements. `rules` are
    those of the slide that name nothing but what is copied.

    `variables`, `media` and `styles` are what they use of their course, for pasting in another;
    `course` is the id of that.
    """

    elements: tuple[Element, ...] = ()
    questions: tuple[Question, ...] = ()
    patterns: tuple[Pattern, ...] = ()
    overlays: tuple[Overlay, ...] = ()
    rules: tuple[Rule, ...] = ()
    variables: tuple[Variable, ...] = ()
    media: tuple[MediaFile, ...] = ()
    styles: tuple[NamedStyle, ...] = ()
    course: str = ""


def clip(slide: Slide, ids: Iterable[str], course: Course | None = None) -> Clipping:
    """Return the elements `ids` of `slide`, and every question of which an answer is among them.

    A group comes with its members, and rules of the slide that name only what is clipped. A
    question comes with those of its parts that were chosen; the others are left out of it. What
    they use of `course` comes along.
    """
    wanted = with_members(slide.elements, ids)
    overlays = _opened(slide, wanted)
    opened = {overlay.id for overlay in overlays}
    wanted |= {element.id for element in slide.elements if element.overlay in opened}
    left_out = {Identity("element", e.id) for e in slide.elements if e.id not in wanted}
    # What names other elements is cut down to what comes along, questions and patterns alike.
    cut = without_things(slide.model_copy(update={"rules": ()}), left_out)
    known = {element.id for element in cut.elements}
    clipping = Clipping(
        elements=tuple(e for e in slide.elements if e.id in wanted), overlays=overlays,
        questions=tuple(q for q in cut.questions if set(answer_elements(q)) & known),
        patterns=tuple(p for p in cut.patterns if parts(p) & known),
    )
    known_here = {identity for thing in (*clipping.elements, *clipping.questions,
                                         *clipping.overlays) for identity in identities(thing)}
    clipping = clipping.model_copy(update={
        "rules": tuple(rule for rule in slide.rules if _names_only(rule, known_here))})
    return _with_belongings(clipping, course) if course else clipping


def _names_only(rule: Rule, known: set[Identity]) -> bool:
    """Whether what a rule names on its slide is among those `known`, and there is something."""
    here = [found for found in references(rule) if set(found.kinds) & _ON_A_SLIDE]
    return bool(here) and all(
        any(Identity(kind, found.id) in known for kind in found.kinds) for found in here)


def _opened(slide: Slide, wanted: set[str]) -> tuple[Overlay, ...]:
    """The overlays that rules and patterns of `wanted` open."""
    opened: set[str] = set()
    for element in slide.elements:
        if element.id in wanted:
            opened |= {name for rule in element.rules for name in named(rule, "overlay")}
            opened |= named(element.drag, "overlay") if element.drag else set()
    for pattern in slide.patterns:
        if isinstance(pattern, RevealSet):
            opened |= {n for item in pattern.items if item.trigger in wanted for n in item.shows}
    return tuple(overlay for overlay in slide.overlays if overlay.id in opened)


def _with_belongings(clipping: Clipping, course: Course) -> Clipping:
    """The clipping with what it uses of its course."""
    variables, media = named(clipping, "variable"), named(clipping, "medium")
    styles = named(clipping, "style")
    return clipping.model_copy(update={
        "variables": tuple(v for v in course.variables if v.id in variables),
        "media": tuple(file for file in course.media if file.id in media),
        "styles": tuple(style for style in course.styles if style.id in styles),
        "course": course.id,
    })


def welcome(course: Course, clipping: Clipping) -> Course:
    """Return `course` with what `clipping` uses and the course has not; else `course` itself."""
    def missing(have: Iterable[Any], come: Iterable[Any]) -> tuple[Any, ...]:
        known = {thing.id for thing in have}
        return tuple(thing for thing in come if thing.id not in known)

    names = {variable.name for variable in course.variables}
    variables = []
    for variable in missing(course.variables, clipping.variables):
        name = free_name(variable.name, names)
        names.add(name)
        variables.append(variable.model_copy(update={"name": name}))
    media = missing(course.media, clipping.media)
    styles = tuple(
        # The usual style of this course stays the usual one.
        style.model_copy(update={"use": None})
        if any(other.use == style.use for other in course.styles) else style
        for style in missing(course.styles, clipping.styles)
    )
    if not (variables or media or styles):
        return course
    return course.model_copy(update={
        "variables": (*course.variables, *variables), "media": (*course.media, *media),
        "styles": (*course.styles, *styles),
    })


def paste(
    slide: Slide, clipping: Clipping, fresh: IdSource, dx: float = 0, dy: float = 0,
    onto: str | None = None, course: Course | None = None,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with copies of what is clipped, and the ids of the new elements to select.

    Copies lie on top in their own order, shifted by (dx, dy) px, and follow in the running
    order; names count on; groups, questions, rules and patterns are rewired to the copies. They
    come onto the overlay `onto`, or the slide. A place that came from a layout stays as it was.
    Some parts of a question that is on the slide become more parts of it. What the copies named
    and is neither on the slide nor (of slides) in `course` they name no more.
    """
    here = {overlay.id for overlay in slide.overlays}
    overlays = tuple(overlay for overlay in clipping.overlays if overlay.id not in here)
    coming = {overlay.id for overlay in overlays}
    stays = {o.id for o in clipping.overlays} - coming
    elements = tuple(e for e in clipping.elements if e.overlay is None or e.overlay not in stays)
    clipping = clipping.model_copy(update={"elements": elements, "overlays": overlays})
    ids = new_ids((*elements, *clipping.questions, *overlays, *clipping.rules), fresh)
    grown, whole = _patterns(slide, clipping, ids)
    ids |= new_ids(whole, fresh)
    copied = rewired(clipping.model_copy(update={"patterns": whole}), ids)
    of = {e.id: ids[Identity("element", e.id)] for e in elements}
    top = max((element.z for element in slide.elements), default=-1) + 1
    levels = {e.id: top + n for n, e in enumerate(sorted(elements, key=lambda e: e.z))}
    copies = tuple(
        _unslotted(copy).model_copy(update={
            "z": levels[element.id], "x": element.x + dx, "y": element.y + dy,
            "group": of.get(element.group or ""),
            "overlay": copy.overlay if element.overlay in coming else onto,
        })
        for element, copy in zip(elements, copied.elements, strict=True)
    )
    asked, questions = _questions(slide, clipping, copied, of, ids)
    pasted = slide.model_copy(update={
        "elements": (*slide.elements, *named_apart(copies, slide.elements)),
        "questions": (*asked, *named_apart(questions, slide.questions)),
        "overlays": (*slide.overlays, *named_apart(copied.overlays, slide.overlays)),
        "patterns": (*grown, *named_apart(copied.patterns, slide.patterns)),
        "rules": (*slide.rules, *copied.rules),
    })
    chosen = outermost([e for e in elements if e.overlay not in coming], of)
    return _at_home(pasted, clipping, course), tuple(of[name] for name in chosen)


_ON_A_SLIDE = frozenset({
    "element", "overlay", "question", "part", "pattern", "cue", "move", "row", "rule"})


def _at_home(slide: Slide, clipping: Clipping, course: Course | None) -> Slide:
    """The slide without what names things that stayed behind, on another slide or in a course.

    What conditions ask about may be on another slide of the same course.
    """
    here = set(identities(slide))
    abroad = course is not None and clipping.course not in ("", course.id)
    slides = None if course is None else {*course.slides, slide.id}

    def is_gone(found: Reference | Identity) -> bool:
        if isinstance(found, Identity) or found.weak or (found.asked and not abroad):
            return False
        if found.kinds == ("slide",):
            return slides is not None and found.id not in slides
        return set(found.kinds) <= _ON_A_SLIDE and not any(
            Identity(kind, found.id) in here for kind in found.kinds)

    return pruned(slide, is_gone, is_idle) or slide


def _questions(
    slide: Slide, clipping: Clipping, copied: Clipping, of: Mapping[str, str],
    ids: Mapping[Identity, str],
) -> tuple[tuple[Question, ...], tuple[Question, ...]]:
    """The slide's questions with copies of some of their parts, and copies of whole ones."""
    asked = {question.id: question for question in slide.questions}
    whole = []
    for question, copy in zip(clipping.questions, copied.questions, strict=True):
        old = asked.get(question.id)
        more = more_of(old, question, of, ids) if old else None
        if more is None:
            whole.append(copy)
        else:
            asked[question.id] = more
    return tuple(asked.values()), tuple(whole)


def _patterns(
    slide: Slide, clipping: Clipping, ids: Mapping[Identity, str]
) -> tuple[tuple[Pattern, ...], tuple[Pattern, ...]]:
    """The slide's patterns with the copies of some of their items, and those copied whole."""
    have = {pattern.id: pattern for pattern in slide.patterns}
    known = {i.id for i in ids} | {overlay.id for overlay in slide.overlays}
    whole = []
    for pattern in clipping.patterns:
        old = have.get(pattern.id)
        # One item is one more of its set, also where it is the only one; a whole set is another.
        alone = old is not None and items_in(old) == 1
        more = None if old is None or (parts(old) <= known and not alone) else (
            joined(old, rewired(pattern, ids)))
        if more is None:
            whole.append(pattern)
        else:
            have[pattern.id] = more
    return tuple(have.values()), tuple(whole)


def _unslotted(element: Element) -> Element:
    """The element on its own: it no longer fills a slot of a layout."""
    if element.slot is None:
        return element
    own = tuple(name for name in element.own if name != "box")
    return element.model_copy(update={
        "slot": None, "own": own if element.named_style else (),
    })


def duplicate_slide(slide: Slide, fresh: IdSource, titles: Iterable[str] = ()) -> Slide:
    """Return a copy of `slide` with ids of its own; what pointed at the slide points at it.

    It is no question of a bank any more.
    """
    copy = rewired(slide, new_ids((slide,), fresh))
    return copy.model_copy(update={"title": free_title(slide.title, titles), "bank": None})


def duplicate_course(
    document: CourseDocument, title: str, fresh: IdSource
) -> CourseDocument:
    """Return a copy of a course under `title`: every id is new, nothing was published yet.

    Its slides are no questions of banks any more.
    """
    ids = new_ids(document.slides, fresh)
    copied = rewired(document, ids)
    course = copied.course.model_copy(update={"id": fresh(), "title": title, "remembered": {}})
    return CourseDocument(course=course, slides=tuple(
        slide.model_copy(update={"bank": None}) if slide.bank else slide
        for slide in copied.slides))


def new_ids(things: Iterable[Model], fresh: IdSource) -> dict[Identity, str]:
    """Return a new id for each of `things` and for all that they hold."""
    return {
        identity: fresh() for thing in things for identity in identities(thing)
        if identity.kind != "look" or identity.id not in GIVEN_LOOKS
    }
