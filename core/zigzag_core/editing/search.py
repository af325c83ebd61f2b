"""Find and replace over a course: first the places, then the change at those that are wanted."""

import re
from collections.abc import Callable, Collection, Iterator
from dataclasses import dataclass, field
from typing import Any, Literal, TypeVar

from zigzag_core.course import (
    Button,
    Course,
    CourseDocument,
    Element,
    Input,
    Question,
    RichText,
    Shape,
    Slide,
    Style,
    Table,
    Text,
    TextRun,
)
from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions.following import (
    defaults_by_slide,
    follows_words,
    labels_followed,
    with_labels,
)
from zigzag_core.course.questions.question import OpenAnswer
from zigzag_core.course.questions.settings import LABELS, WORDS, QuestionDefaults
from zigzag_core.course.quizzes import Band, QuestionSet, Quiz
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.course.style.style import Looks

What = Literal["texts", "names", "alternatives", "colours", "fonts"]
NamedPart = TypeVar("NamedPart", QuestionSet, Band)
_COLOURS = ("fill", "border_colour", "text_colour")
_AROUND = 40
_VALUE = "\ufffc"
"""Stands for a live value in a text: no search finds it."""


@dataclass(frozen=True)
class Spot:
    """Where a value stands: on a slide (else in the course), in an element, in which part."""

    slide: str | None
    element: str | None
    part: str


@dataclass(frozen=True)
class Found:
    """One place: `key` names it, `before`, `match` and `after` are the words around it."""

    key: str
    spot: Spot
    before: str
    match: str
    after: str


def never(place: str) -> bool:
    """No place is wanted."""
    return False


@dataclass
class _Search:
    """Goes through a document once: notes every match, and replaces those that are `wanted`."""

    what: What
    pattern: re.Pattern[str]
    by: str = ""
    wanted: Callable[[str], bool] = never
    found: list[Found] = field(default_factory=list)
    replaced: int = 0

    def matches(self, spot: Spot, value: str) -> list[tuple[int, int]]:
        """Note all matches in `value`; return the spans of those to replace."""
        spans = []
        for match in self.pattern.finditer(value):
            if match.start() == match.end():
                continue
            start, end = match.span()
            place = f"{spot.slide or ''}/{spot.element or ''}/{spot.part}/{start}"
            shown = value.replace(_VALUE, "…")
            self.found.append(Found(
                place, spot, shown[max(start - _AROUND, 0): start], shown[start: end],
                shown[end: end + _AROUND],
            ))
            if self.wanted(place):
                spans.append((start, end))
        self.replaced += len(spans)
        return spans

    def text(self, spot: Spot, value: str, limit: int = 20_000) -> str:
        for start, end in reversed(self.matches(spot, value)):
            value = value[:start] + self.by + value[end:]
        return value[:limit]

    def rich(self, spot: Spot, value: RichText) -> RichText:
        blocks = []
        for number, block in enumerate(value.blocks):
            runs = list(block.runs)
            words = "".join(r.text if isinstance(r, TextRun) else _VALUE for r in runs)
            here = Spot(spot.slide, spot.element, f"{spot.part}.{number}")
            spans = self.matches(here, words)
            for start, end in reversed(spans):
                runs = _spliced(runs, start, end, self.by)
            blocks.append(block.model_copy(update={"runs": tuple(runs)}) if spans else block)
        return value.model_copy(update={"blocks": tuple(blocks)})


def _spliced(runs: list[Any], start: int, end: int, by: str) -> list[Any]:
    """Replace characters `start` to `end`; the new words take the look of the first old one."""
    result: list[Any] = []
    at, put = 0, False
    for run in runs:
        length = len(run.text) if isinstance(run, TextRun) else 1
        low, high = max(start - at, 0), min(end - at, length)
        at += length
        if low >= high or not isinstance(run, TextRun):
            result.append(run)
            continue
        words = run.text[:low] + ("" if put else by) + run.text[high:]
        put = True
        if words:
            result.append(run.model_copy(update={"text": words}))
    return result


def find(
    document: CourseDocument, what: What, text: str, match_case: bool = False,
    whole_words: bool = False,
) -> tuple[Found, ...]:
    """Return the places of `text` in a course, in its order; of a colour or font, its uses.

    Colours are searched for as they stand (``#rrggbb`` or the name of a theme's colour), fonts as
    ``text`` or ``heading``.
    """
    search = _Search(what, _pattern(what, text, match_case, whole_words))
    if text:
        _through(document, search)
    return tuple(search.found)


def replace(
    document: CourseDocument, what: What, text: str, by: str,
    places: Collection[str] | None = None, match_case: bool = False, whole_words: bool = False,
    but: Collection[str] = (), progress: Progress = untold,
) -> CourseDocument:
    """Return `document` with `text` replaced by `by` at `places` (keys of `Found`; None: all).

    Places in `but` stay as they are, and slides in which nothing is replaced are the same objects.
    Raises `ValueError` where the result is no valid course, for example for a colour that is none.
    """
    if not text:
        return document

    def wanted(place: str) -> bool:
        return place not in but and (places is None or place in places)

    search = _Search(what, _pattern(what, text, match_case, whole_words), by, wanted)
    return _through(document, search, progress)


def _pattern(what: What, text: str, match_case: bool, whole_words: bool) -> re.Pattern[str]:
    if what in ("colours", "fonts"):
        return re.compile(f"^{re.escape(text.lower())}$")
    body = re.escape(text)
    if whole_words:
        body = rf"(?<!\w){body}(?!\w)"
    return re.compile(body, 0 if match_case else re.IGNORECASE)


def _through(
    document: CourseDocument, search: _Search, progress: Progress = untold
) -> CourseDocument:
    course = _course(document.course, search)
    course = Course.model_validate(course.model_dump()) if search.replaced else document.course
    slides = []
    defaults = defaults_by_slide(course.slides, course.sections)
    for slide in telling(document.slides, progress):
        before = search.replaced
        follows = defaults.get(slide.id)
        changed = _slide(slide, follows, search)
        # What is replaced in a default is on the buttons that follow it, too.
        slides.append(with_labels(valid_slide(changed) if search.replaced > before else slide,
                                  follows))
    return document.model_copy(update={"course": course, "slides": tuple(slides)})


def _course(course: Course, search: _Search) -> Course:
    update: dict[str, Any] = {}
    if search.what == "texts":
        update["title"] = search.text(Spot(None, None, "title"), course.title, 200)
        update["sections"] = tuple(
            section.model_copy(update={
                "title": search.text(Spot(None, None, f"section {section.id}"), section.title, 200),
                "quiz": section.quiz and _quiz(section.id, section.quiz, search),
            })
            for section in course.sections
        )
    if search.what in ("colours", "fonts"):
        update["styles"] = tuple(
            named.model_copy(update=_styling(
                Spot(None, None, f"style {named.id}"), named.style, named.looks, search
            ))
            for named in course.styles
        )
        update["layouts"] = tuple(
            layout.model_copy(update={
                "elements": tuple(_element(None, e, search) for e in layout.elements)
            })
            for layout in course.layouts
        )
    return course.model_copy(update=update)


def _quiz(section: str, quiz: Quiz, search: _Search) -> Quiz:
    """The quiz with the names of its sets and bands changed, and what its questions follow."""
    def named(part: NamedPart) -> NamedPart:
        name = search.text(Spot(None, None, f"name {part.id}"), part.name, 200)
        return part.model_copy(update={"name": name})

    update: dict[str, Any] = {
        "sets": tuple(map(named, quiz.sets)), "bands": tuple(map(named, quiz.bands))}
    if quiz.defaults:
        update["defaults"] = quiz.defaults.model_copy(update={
            **{part: search.rich(Spot(None, None, f"default {part} {section}"),
                                 getattr(quiz.defaults, part)) for part in WORDS},
            **{part: search.text(Spot(None, None, f"default {part} {section}"),
                                 getattr(quiz.defaults, part), 80) for part in LABELS}})
    return quiz.model_copy(update=update)


def _slide(slide: Slide, defaults: QuestionDefaults | None, search: _Search) -> Slide:
    follow = labels_followed(slide, defaults) if search.what == "texts" else {}
    update: dict[str, Any] = {"elements": tuple(
        element if element.id in follow else _element(slide.id, element, search)
        for element in slide.elements)}
    if search.what == "texts":
        for part, limit in (("title", 200), ("notes", 20_000), ("transcript", 20_000)):
            update[part] = search.text(Spot(slide.id, None, part), getattr(slide, part), limit)
        update["questions"] = tuple(
            _question(slide.id, q, defaults, search) for q in slide.questions)
    if search.what == "colours" and slide.background:
        colour = search.text(Spot(slide.id, None, "background"), slide.background.colour)
        update["background"] = slide.background.model_copy(update={"colour": colour})
    return slide.model_copy(update=update)


def _question(
    slide: str, question: Question, defaults: QuestionDefaults | None, search: _Search
) -> Question:
    """The question with what is said after it changed, and what is said for each answer.

    What it follows stands in the defaults of its quiz: of its own words nobody sees these.
    """
    feedback = question.feedback
    texts: dict[str, Any] = {
        part: search.rich(Spot(slide, question.prompt, f"{part} feedback"), getattr(feedback, part))
        for part in WORDS if defaults is None or not follows_words(question, defaults, part)
    }
    texts["hints"] = tuple(
        search.rich(Spot(slide, question.prompt, f"hint {n}"), hint)
        for n, hint in enumerate(feedback.hints, 1))
    changes: dict[str, Any] = {"feedback": feedback.model_copy(update=texts)}
    if isinstance(question, OpenAnswer):
        changes["model"] = search.rich(
            Spot(slide, question.prompt, "model answer"), question.model)
    for parts in ("choices", "items", "spots"):
        found = getattr(question, parts, ())
        if found and hasattr(found[0], "says"):
            changes[parts] = tuple(
                part.model_copy(update={"says": search.rich(
                    Spot(slide, getattr(part, "element", None), "feedback"), part.says)})
                for part in found
            )
    changes["table"] = tuple(
        row.model_copy(update={
            "words": search.rich(Spot(slide, question.prompt, "answer table"), row.words)})
        for row in question.table
    )
    return question.model_copy(update=changes)


def _element(slide: str | None, element: Element, search: _Search) -> Element:
    def spot(part: str) -> Spot:
        return Spot(slide, element.id, part)

    update: dict[str, Any] = {}
    match search.what:
        case "names":
            update["name"] = search.text(spot("name"), element.name, 200)
        case "alternatives":
            update["alt"] = search.text(spot("alternative"), element.alt, 2_000)
        case "texts":
            update = dict(_words(element, spot, search))
        case "colours" | "fonts":
            # What follows a style or a layout is found there.
            follows = element.named_style or element.slot
            if not follows or set(element.own) & {*_COLOURS, "font", "looks"}:
                update = _styling(spot("style"), element.style, element.looks, search)
    return element.model_copy(update=update)


def _words(
    element: Element, spot: Callable[[str], Spot], search: _Search
) -> Iterator[tuple[str, Any]]:
    if isinstance(element, Text | Shape):
        yield "text", search.rich(spot("text"), element.text)
    if isinstance(element, Button | Input):
        yield "label", search.text(spot("label"), element.label, 500)
    if isinstance(element, Input):
        yield "options", tuple(
            search.text(spot(f"option {n}"), option, 250)
            for n, option in enumerate(element.options)
        )
    if isinstance(element, Table):
        yield "cells", tuple(
            tuple(search.text(spot(f"cell {y}.{x}"), cell, 2_000) for x, cell in enumerate(row))
            for y, row in enumerate(element.cells)
        )


def _styling(spot: Spot, style: Style, looks: Looks, search: _Search) -> dict[str, Any]:
    parts = _COLOURS if search.what == "colours" else ("font",)

    def swapped(value: object, where: str) -> dict[str, Any]:
        return {
            part: search.text(Spot(spot.slide, spot.element, f"{where}{part}"), paint)
            for part in parts if (paint := getattr(value, part, None)) is not None
        }

    return {
        "style": style.model_copy(update=swapped(style, f"{spot.part} ")),
        "looks": {
            name: patch.model_copy(update=swapped(patch, f"{spot.part} {name} "))
            for name, patch in looks.items()
        },
    }
