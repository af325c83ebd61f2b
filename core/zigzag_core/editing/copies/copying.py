"""Copies in which what belongs together stays together."""

from collections.abc import Iterable, Mapping
from typing import Any

from zigzag_core.course import (
    Course,
    CourseDocument,
    Element,
    IdSource,
    Input,
    MediaFile,
    Meter,
    NamedStyle,
    Overlay,
    Pattern,
    Question,
    Shape,
    Slide,
    Text,
    Timing,
    ValueRun,
    Variable,
)
from zigzag_core.course.media_use import media_of
from zigzag_core.course.model import Model
from zigzag_core.course.questions.question import answer_elements, with_elements
from zigzag_core.course.rules.patterns import RevealSet, parts
from zigzag_core.course.rules.rule_use import ids_in, variables_of_rule

from ..arranging.groups import boxed, outermost, with_members
from ..names import free_name, free_title
from .pattern_parts import copied_patterns, joined, patterns_without
from .question_parts import more_of
from .rewiring import element_ids, own_ids, question_ids, rewired


class Clipping(Model):
    """Elements cut out or copied, with the questions and patterns that they are parts of.

    `overlays` are those that they open; what stands on these is among the elements.

    `variables`, `media` and `styles` are what they use of their course, for pasting in another.
    """

    elements: tuple[Element, ...] = ()
    questions: tuple[Question, ...] = ()
    patterns: tuple[Pattern, ...] = ()
    overlays: tuple[Overlay, ...] = ()
    variables: tuple[Variable, ...] = ()
    media: tuple[MediaFile, ...] = ()
    styles: tuple[NamedStyle, ...] = ()


def clip(slide: Slide, ids: Iterable[str], course: Course | None = None) -> Clipping:
    """Return the elements `ids` of `slide`, and every question of which an answer is among them.

    A group comes with its members. A question comes with those of its parts that were chosen;
    the others are left out of it. What they use of `course` comes along.
    """
    wanted = with_members(slide.elements, ids)
    overlays = _opened(slide, wanted)
    opened = {overlay.id for overlay in overlays}
    wanted |= {element.id for element in slide.elements if element.overlay in opened}
    elements = tuple(element for element in slide.elements if element.id in wanted)
    questions = tuple(
        with_elements(question, wanted) for question in slide.questions
        if any(element in wanted for element in answer_elements(question))
    )
    clipping = Clipping(
        elements=elements, questions=questions, overlays=overlays,
        patterns=copied_patterns(slide.patterns, wanted | opened),
    )
    return _with_belongings(clipping, course) if course else clipping


def _opened(slide: Slide, wanted: set[str]) -> tuple[Overlay, ...]:
    """The overlays that rules and patterns of `wanted` open."""
    named = {
        name for element in slide.elements if element.id in wanted
        for rule in element.rules for name in ids_in(rule)
    }
    for pattern in slide.patterns:
        if isinstance(pattern, RevealSet):
            named |= {n for item in pattern.items if item.trigger in wanted for n in item.shows}
    return tuple(overlay for overlay in slide.overlays if overlay.id in named)


def _with_belongings(clipping: Clipping, course: Course) -> Clipping:
    elements = clipping.elements
    media = {name for element in elements for name in media_of(element)}
    styles = {element.named_style for element in elements}
    variables = variables_of(elements)
    return clipping.model_copy(update={
        "variables": tuple(v for v in course.variables if v.id in variables),
        "media": tuple(file for file in course.media if file.id in media),
        "styles": tuple(style for style in course.styles if style.id in styles),
    })


def variables_of(elements: Iterable[Element]) -> set[str]:
    """Return the ids of the variables that `elements` and their rules set, ask for or show."""
    found: set[str] = set()
    for element in elements:
        if isinstance(element, Input) and element.variable:
            found.add(element.variable)
        if isinstance(element, Meter):
            found.add(element.of)
        if isinstance(element, Text | Shape):
            found.update(
                run.of for block in element.text.blocks for run in block.runs
                if isinstance(run, ValueRun)
            )
        for rule in element.rules:
            found |= variables_of_rule(rule)
    return found


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


def without(slide: Slide, ids: Iterable[str]) -> Slide:
    """Return `slide` without the elements `ids` and the members of groups among them.

    A question left without any answer goes too, and a group left without any member.
    """
    gone = with_members(slide.elements, ids)
    elements = boxed(tuple(element for element in slide.elements if element.id not in gone))
    kept = {element.id for element in elements}
    questions = (with_elements(question, kept) for question in slide.questions)
    left = slide.model_copy(update={
        "elements": elements,
        "questions": tuple(q for q in questions if any(answer_elements(q))),
        "patterns": patterns_without(slide, kept | {overlay.id for overlay in slide.overlays}),
    })
    return _cues_kept(left, kept)


def _cues_kept(slide: Slide, kept: set[str]) -> Slide:
    """The slide without cues for elements that are gone."""
    def still(timing: Timing) -> Timing:
        cues = tuple(cue for cue in timing.cues if cue.what is None or cue.what in kept)
        return timing if len(cues) == len(timing.cues) else timing.model_copy(update={"cues": cues})

    return slide.model_copy(update={
        "timing": still(slide.timing),
        "overlays": tuple(
            overlay.model_copy(update={"timing": still(overlay.timing)})
            for overlay in slide.overlays
        ),
    })


def paste(
    slide: Slide, clipping: Clipping, fresh: IdSource, dx: float = 0, dy: float = 0,
    onto: str | None = None,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with copies of what is clipped, and the ids of the new elements to select.

    Copies lie on top in their own order, shifted by (dx, dy) px, and follow in the running
    order; names count on; groups, questions, rules and patterns are rewired to the copies. They
    come onto the overlay `onto`, or the slide. A place that came from a layout stays as it was.
    Some parts of a question that is on the slide become more parts of it.
    """
    here = {overlay.id for overlay in slide.overlays}
    overlays = tuple(overlay for overlay in clipping.overlays if overlay.id not in here)
    coming = {overlay.id for overlay in overlays}
    stays = {o.id for o in clipping.overlays} - coming
    elements = tuple(e for e in clipping.elements if e.overlay is None or e.overlay not in stays)
    ids = {name: fresh() for element in elements for name in element_ids(element)}
    ids |= {name: fresh() for question in clipping.questions for name in question_ids(question)}
    for overlay in overlays:
        ids |= {overlay.id: fresh(), **{rule.id: fresh() for rule in overlay.rules},
                **{cue.id: fresh() for cue in overlay.timing.cues}}
    patterns, grown = _patterns(slide, clipping, ids, fresh)
    names = {element.name for element in slide.elements}
    top = max((element.z for element in slide.elements), default=-1) + 1
    levels = {e.id: top + n for n, e in enumerate(sorted(elements, key=lambda e: e.z))}
    copies = []
    for element in elements:
        name = free_name(element.name, names)
        names.add(name)
        on_new = element.overlay in coming
        copies.append(rewired(_unslotted(element), ids).model_copy(update={
            "name": name, "z": levels[element.id], "x": element.x + dx, "y": element.y + dy,
            "group": ids.get(element.group or ""),
            "overlay": ids[element.overlay or ""] if on_new else onto,
        }))
    asked = {question.id: question for question in slide.questions}
    taken = {question.name for question in slide.questions}
    questions = []
    for question in clipping.questions:
        old = asked.get(question.id)
        more = more_of(old, question, ids) if old else None
        if more is not None:
            asked[question.id] = more
            continue
        name = free_name(question.name, taken)
        taken.add(name)
        questions.append(rewired(question, ids).model_copy(update={"name": name}))
    called = {overlay.name for overlay in slide.overlays}
    pasted = slide.model_copy(update={
        "elements": (*slide.elements, *copies), "questions": (*asked.values(), *questions),
        "overlays": (*slide.overlays, *(
            rewired(overlay, ids).model_copy(update={"name": free_name(overlay.name, called)})
            for overlay in overlays
        )),
        "patterns": (*grown, *patterns),
    })
    chosen = outermost([e for e in elements if e.overlay not in coming], ids)
    return pasted, tuple(ids[name] for name in chosen)


def _patterns(
    slide: Slide, clipping: Clipping, ids: dict[str, str], fresh: IdSource
) -> tuple[list[Pattern], tuple[Pattern, ...]]:
    """New patterns for whole copies, and the slide's own with the copies of some of their items."""
    have = {pattern.id: pattern for pattern in slide.patterns}
    made = []
    called = {pattern.name for pattern in slide.patterns}
    for pattern in clipping.patterns:
        old = have.get(pattern.id)
        whole = old is None or set(parts(old)) <= ids.keys() | {o.id for o in slide.overlays}
        more = None if whole or old is None else joined(old, rewired(pattern, ids))
        if old is not None and more is not None:
            have[old.id] = more
            continue
        ids[pattern.id] = fresh()
        made.append((pattern, free_name(pattern.name, called)))
    return (
        [rewired(pattern, ids).model_copy(update={"name": name}) for pattern, name in made],
        tuple(have.values()),
    )


def _unslotted(element: Element) -> Element:
    """The element on its own: it no longer fills a slot of a layout."""
    if element.slot is None:
        return element
    own = tuple(name for name in element.own if name != "box")
    return element.model_copy(update={
        "slot": None, "own": own if element.named_style else (),
    })


def duplicate_slide(slide: Slide, fresh: IdSource, titles: Iterable[str] = ()) -> Slide:
    """Return a copy of `slide` with ids of its own; what pointed at the slide points at it."""
    copy_id = fresh()
    return _copied_slide(slide, copy_id, {slide.id: copy_id}, fresh).model_copy(
        update={"title": free_title(slide.title, titles)}
    )


def duplicate_course(
    document: CourseDocument, title: str, fresh: IdSource
) -> CourseDocument:
    """Return a copy of a course under `title`: every id is new, nothing was published yet."""
    ids = {slide.id: fresh() for slide in document.slides}
    ids |= {name: fresh() for slide in document.slides for name in own_ids(slide)}
    course = document.course
    copied = course.model_copy(update={
        "id": fresh(), "title": title, "slides": tuple(ids[slide] for slide in course.slides),
        "sections": tuple(rewired(section, ids) for section in course.sections),
        "rules": tuple(rewired(rule, ids) for rule in course.rules),
        "walkthroughs": tuple(rewired(walk, ids) for walk in course.walkthroughs),
        "remembered": {},
    })
    slides = tuple(rewired(slide, ids) for slide in document.slides)
    return CourseDocument(course=copied, slides=slides)


def _copied_slide(
    slide: Slide, copy_id: str, slide_ids: Mapping[str, str], fresh: IdSource
) -> Slide:
    ids = {**slide_ids, slide.id: copy_id, **{name: fresh() for name in own_ids(slide)}}
    return rewired(slide, ids)
