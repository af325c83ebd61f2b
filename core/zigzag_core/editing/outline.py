"""Outlines: from a pasted list to sections and slides."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from zigzag_core.course import Block, Course, IdSource, RichText, Section, Slide, Text, TextRun
from zigzag_core.course.layouts.shipped import TITLE_AND_TEXT, TITLE_ONLY

from .layouts.following import slide_from, with_layout

_TAB = 4
_HEADING = re.compile(r"^(#{1,6})\s+(.*?)\s*#*\s*$")
_ITEM = re.compile(r"^(?:[-*+•–]|\d{1,3}[.)]|[a-z][.)])\s+(.*)$")
_EMPHASIS = re.compile(r"(\*\*|__)(?=\S)(.+?)(?<=\S)\1")
_CHECKBOX = re.compile(r"^\[[ xX]\]\s+")
MOST_LINES = 5_000


@dataclass(frozen=True)
class OutlineLine:
    """A section, or a slide with its body text: one entry for each line."""

    kind: Literal["section", "slide"]
    title: str
    body: tuple[str, ...] = ()


def read_outline(text: str) -> tuple[OutlineLine, ...]:
    """Return the sections and slides of an indented text, a Markdown list or Markdown headings.

    Lines on one level are slides; on two, sections and slides; on more, what is further in is
    body text. With headings of one level these are slides, with more the first are sections;
    all else is body text. Raises `ValueError` for more than 5,000 lines.
    """
    lines = [_level(line) for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise ValueError(f"an outline may have {MOST_LINES:,} lines at most")
    headings = sorted({depth for heading, depth, _ in lines if heading})
    indents = sorted({depth for heading, depth, _ in lines if not heading})
    if headings:
        ranks = {depth: rank for rank, depth in enumerate(headings)}
        section, slide = (-1, 0) if len(headings) == 1 else (0, 1)
        placed = [(ranks[d] if heading else slide + 1, words) for heading, d, words in lines]
    else:
        section, slide = (-1, 0) if len(indents) == 1 else (0, 1)
        ranks = {depth: rank for rank, depth in enumerate(indents)}
        placed = [(ranks[depth], words) for _, depth, words in lines]
    return _collected(placed, section, slide)


def _level(line: str) -> tuple[bool, int, str]:
    """Whether the line is a heading, how deep it stands, and its words."""
    bare = line.strip()
    heading = _HEADING.match(bare)
    if heading:
        return True, len(heading[1]), _words(heading[2])
    expanded = line.expandtabs(_TAB)
    depth = len(expanded) - len(expanded.lstrip())
    item = _ITEM.match(bare)
    return False, depth, _words(item[1] if item else bare)


def _words(text: str) -> str:
    return _EMPHASIS.sub(r"\2", _CHECKBOX.sub("", text)).strip()


def _collected(
    placed: Iterable[tuple[int, str]], section: int, slide: int
) -> tuple[OutlineLine, ...]:
    found: list[OutlineLine] = []
    for rank, words in placed:
        if rank == section:
            found.append(OutlineLine("section", words[:200]))
        elif rank == slide or not found or found[-1].kind == "section":
            found.append(OutlineLine("slide", words[:200]))
        else:
            last = found[-1]
            found[-1] = OutlineLine("slide", last.title, (*last.body, words[:2_000]))
    return tuple(found)


def plant(
    course: Course, lines: Iterable[OutlineLine], after: str | None, fresh: IdSource
) -> tuple[Course, tuple[Slide, ...]]:
    """Return `course` with `lines` as new sections and slides behind the slide `after`.

    None puts them at the beginning. The new slides are returned beside it.
    """
    slides: list[Slide] = []
    sections: list[tuple[Section, int]] = []
    for line in lines:
        if line.kind == "section":
            sections.append((Section(id=fresh(), title=line.title), len(slides)))
            continue
        key = TITLE_AND_TEXT if line.body else TITLE_ONLY
        course, layout = with_layout(course, key)
        slides.append(_with_body(slide_from(layout, course, line.title, fresh), line.body))
    order = course.slides
    index = order.index(after) + 1 if after in order else 0
    following = order[index] if index < len(order) else None
    made = [
        section.model_copy(update={"before": slides[n].id if n < len(slides) else following})
        for section, n in sections
    ]
    return course.model_copy(update={
        "slides": (*order[:index], *(slide.id for slide in slides), *order[index:]),
        "sections": (*made, *course.sections),
    }), tuple(slides)


def _with_body(slide: Slide, body: tuple[str, ...]) -> Slide:
    if not body:
        return slide
    kind: Literal["paragraph", "bullet"] = "bullet" if len(body) > 1 else "paragraph"
    words = RichText(blocks=tuple(Block(kind=kind, runs=(TextRun(text=line),)) for line in body))
    elements = tuple(
        e.model_copy(update={"text": words}) if isinstance(e, Text) and e.level == "body" else e
        for e in slide.elements
    )
    return slide.model_copy(update={"elements": elements})
