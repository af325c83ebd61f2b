"""Checks that look at the document alone."""

from collections.abc import Iterator, Mapping

from zigzag_core.course import (
    Area,
    Audio,
    CourseDocument,
    Element,
    Embed,
    Input,
    MediaFile,
    Picture,
    Shape,
    Slide,
    Video,
    plain,
)
from zigzag_core.course.questions.following import following_defaults
from zigzag_core.course.questions.question import answer_elements, part_elements

from ..route import route
from ..walkthroughs import replay
from .captions import caption_findings
from .cuts import cut_findings
from .dialogues import dialogue_findings
from .finding import Finding
from .patterns import pattern_findings, score_findings
from .placement import place_findings
from .posts import post_findings
from .questions import question_findings
from .quizzes import quiz_findings
from .references import reference_findings
from .rules import rule_findings
from .spoken import spoken_findings
from .variables import variable_findings


def findings(document: CourseDocument) -> list[Finding]:
    """Return all findings, in the order of the slides, errors of the course first."""
    document = following_defaults(document)
    media = {file.id: file for file in document.course.media}
    return [
        *_course(document), *variable_findings(document), *pattern_findings(document),
        *quiz_findings(document),
        *post_findings(document), *dialogue_findings(document),
        *(reference_findings(document) if document.slides else ()),
    ] + [
        finding for slide in document.slides
        for finding in (
            *_slide(slide, media), *rule_findings(slide, document), *place_findings(slide),
            *question_findings(slide), *caption_findings(slide, media),
            *spoken_findings(slide, media), *cut_findings(slide, media),
        )
    ] + [
        Finding(level="warning", code="walkthrough", slide=gone.slide, element=gone.element,
                message=f"Walkthrough “{gone.walkthrough}”: {gone.words}")
        for gone in replay(document)
    ]


def _course(document: CourseDocument) -> Iterator[Finding]:
    if not document.slides:
        yield Finding(level="error", code="no_slides", message="The course has no slides yet.")
        return
    titles = {slide.id: slide.title for slide in document.slides}
    found = route(document)
    yield from score_findings(document, set(found.unreached))
    for slides, code, words in (
        (found.unreached, "unreached", "Nothing leads to “{}”."),
        (found.dead_ends, "dead_end", "“{}” leads nowhere, and it is not the last slide."),
    ):
        for slide in slides:
            yield Finding(level="warning", code=code, slide=slide,
                          message=words.format(titles[slide]))


def _slide(slide: Slide, media: Mapping[str, MediaFile]) -> Iterator[Finding]:
    for element in slide.elements:
        problem = _missing(element, slide, media)
        if problem:
            code, words = problem
            yield Finding(level="warning", code=code, slide=slide.id, element=element.id,
                          message=f"“{element.name}” {words}.")


def _missing(
    element: Element, slide: Slide, media: Mapping[str, MediaFile]
) -> tuple[str, str] | None:
    """What an element still lacks: a code, and words that go on after its name."""
    match element:
        case Audio(narration=True, media=None):
            return "no_voice", "has words, but no voice yet"
        case Audio(narration=True) if _says_other_words(element, media):
            return "voice_changed", "says other words now than its voice"
        case Picture(media=None) | Video(media=None) | Audio(media=None):
            what = {"picture": "shows no picture", "video": "shows no video"}.get(element.kind)
            return "no_picture", f"{what or 'plays no audio'} yet"
        case _ if _is_answer(element, slide) and not _says_something(element):
            return "no_alternative", "is an answer, and has no words for those who cannot see it"
        case Picture() | Video() | Audio() | Area() if not _is_described(element, slide):
            return "no_alternative", "has no text alternative and is not decoration"
        case Video() | Audio() if not _can_be_read(element.media, slide, media):
            return "no_captions", "has neither captions nor a transcript beside it"
        case Input() if any(element.id in part_elements(q) for q in slide.questions):
            return None
        case Input(variable=None):
            return "no_variable", "keeps what is entered nowhere"
        case Embed(address=""):
            return "no_address", "has no address yet"
    return None


def _is_answer(element: Element, slide: Slide) -> bool:
    return any(element.id in answer_elements(question) for question in slide.questions)


def _says_something(element: Element) -> bool:
    """Whether an answer has words of its own; what is no picture, place or shape has."""
    if isinstance(element, Shape):
        return bool(element.alt or plain(element.text))
    return not isinstance(element, Picture | Video | Area) or bool(element.alt)


def _can_be_read(file: str | None, slide: Slide, media: Mapping[str, MediaFile]) -> bool:
    """Whether what is said in a video or audio is there in writing (WCAG 1.2.1, 1.2.2).

    A video without sound says nothing: its text alternative is enough.
    """
    if slide.transcript.strip():
        return True
    found = media.get(file or "")
    return found is not None and (found.soundless or bool(found.captions))


def _says_other_words(element: Audio, media: Mapping[str, MediaFile]) -> bool:
    file = media.get(element.media or "")
    return file is not None and file.speech is not None and file.speech.words != element.words


def _is_described(element: Element, slide: Slide) -> bool:
    """Whether an element, or a group that it is in, is decoration or has words for it.

    A narration is words.
    """
    by_id = {other.id: other for other in slide.elements}
    here: Element | None = element
    if isinstance(element, Audio) and element.narration:
        return True
    while here is not None:
        if here.decoration or here.alt:
            return True
        here = by_id.get(here.group or "")
    return False
