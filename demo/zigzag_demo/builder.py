"""Short words for building a course by code: each gives an element of the core's own models."""

import random
from collections.abc import Iterable, Sequence
from functools import cache
from hashlib import sha256
from typing import Any, TypeVar

from zigzag_core.course import (
    Background,
    Button,
    Choice,
    Course,
    CourseDocument,
    Element,
    Feedback,
    GoTo,
    Input,
    Layout,
    LeaveCourse,
    MediaFile,
    Meter,
    Onward,
    Picture,
    Question,
    RichText,
    Rule,
    Section,
    Shape,
    SingleChoice,
    Slide,
    Style,
    StylePatch,
    Text,
    ToNext,
    ToPrevious,
    ToSlide,
    Video,
    id_source,
    rich,
)
from zigzag_core.course.elements.element import Area, Point
from zigzag_core.course.questions.feedback import FeedbackPlace
from zigzag_core.course.questions.question import Item, QuestionBase, Target
from zigzag_core.course.style.usual_styles import USUAL_STYLES, shipped_style
from zigzag_core.drawings import drawing_of
from zigzag_core.editing.layouts.following import slide_from, with_layout
from zigzag_core.editing.narration.voices import with_course_voices
from zigzag_core.media.palette import palette
from zigzag_core.media.pictures import take_picture
from zigzag_core.media.recolour import is_recoloured
from zigzag_core.voice.course import spoken
from zigzag_core.voice.encoding import TYPE as SOUND_TYPE
from zigzag_core.voice.espeak import speak

Q = TypeVar("Q", bound=QuestionBase)

# The courses are built more than once: what was spoken is not spoken again.
_SPEAK = cache(speak)


class CourseBuilder:
    """Collects slides and media; `seed` makes the ids, so the same code gives the same course."""

    def __init__(self, title: str, seed: int) -> None:
        self.fresh = id_source(random.Random(seed))
        self.title = title
        self.course_id = self.fresh()
        self.slides: list[Slide] = []
        self.media: dict[str, bytes] = {}
        self.files: dict[str, MediaFile] = {}
        self.layouts: list[Layout] = []
        self.sections: list[Section] = []

    def picture_file(self, name: str, data: bytes) -> str:
        """Take in a picture and return its id; the same name gives the same file."""
        if name not in self.files:
            picture = take_picture(data)
            self.media[picture.sha256] = picture.data
            self.files[name] = MediaFile(
                id=self.fresh(), name=name, type=picture.type, sha256=picture.sha256,
                size=len(picture.data), w=picture.w, h=picture.h,
                palette=palette(picture.data, picture.type),
                recoloured=is_recoloured(picture.data),
            )
        return self.files[name].id

    def sound_file(self, name: str, data: bytes, duration: int) -> MediaFile:
        """Take in a sound of so many ms that was made here."""
        file = MediaFile(id=self.fresh(), name=name, type=SOUND_TYPE, size=len(data),
                         duration=duration, sha256=sha256(data).hexdigest())
        self.media[file.sha256] = data
        self.files[file.id] = file
        return file

    def sound(self, name: str, data: bytes, duration: int) -> str:
        """Take in a sound of so many ms and return its id."""
        return self.sound_file(f"{name}.mp3", data, duration).id

    def slide_ids(self, *names: str) -> dict[str, str]:
        """Return a fresh id for each name."""
        return {name: self.fresh() for name in names}

    def slide(
        self, slide_id: str, title: str, elements: Sequence[Element],
        questions: tuple[Question, ...] = (), indent: int = 0, notes: str = "",
        transcript: str = "", onward: Onward | None = None, does: dict[str, Any] | None = None,
        **background: Any,
    ) -> None:
        """Add a slide; elements are painted in the order in which they are given.

        `does` are its patterns, overlays, rules, timing and gate.
        """
        stacked = tuple(e.model_copy(update={"z": z}) for z, e in enumerate(elements))
        self.slides.append(Slide(
            id=slide_id, title=title, background=Background(**background), elements=stacked,
            questions=questions, indent=indent, notes=notes, transcript=transcript,
            onward=onward or ToNext(), **(does or {}),
        ))

    def slide_from(
        self, slide_id: str, layout: str, title: str, words: dict[str, str],
        pictures: dict[str, tuple[str, str]], **settings: Any,
    ) -> None:
        """Add a slide that follows a shipped layout.

        `words` and `pictures` (file and alternative) fill its slots by name.
        """
        course, found = with_layout(Course(
            id=self.course_id, title=self.title, styles=USUAL_STYLES, layouts=tuple(self.layouts),
        ), layout)
        self.layouts = list(course.layouts)
        slide = slide_from(found, course, title, self.fresh)
        elements = []
        for element in slide.elements:
            if element.name in words:
                element = element.model_copy(update={"text": rich(words[element.name])})
            if element.name in pictures:
                file, alt = pictures[element.name]
                element = element.model_copy(update={"media": file, "alt": alt})
            elements.append(element)
        self.slides.append(slide.model_copy(update={
            "id": slide_id, "elements": tuple(elements), **settings,
        }))

    def section(self, title: str, before: str) -> None:
        """Begin a section with the slide `before`."""
        self.sections.append(Section(id=self.fresh(), title=title, before=before))

    def drawing(self, key: str) -> str:
        """Take in a shipped drawing and return its id."""
        return self.picture_file(*drawing_of(key))

    def build(self, **settings: Any) -> CourseDocument:
        """Return the course with all that was added to it; what is said in it is heard."""
        course = Course(
            id=self.course_id, title=self.title, slides=tuple(s.id for s in self.slides),
            media=tuple(self.files.values()), styles=USUAL_STYLES,
            layouts=tuple(self.layouts), sections=tuple(self.sections), **settings,
        )
        document = CourseDocument(course=course, slides=tuple(self.slides))
        return with_course_voices(
            document, spoken(document, self.sound_file, synthesiser=_SPEAK))

    # Elements ----------------------------------------------------------------------------

    def text(
        self, name: str, words: str | RichText, x: float, y: float, w: float, h: float,
        level: str = "body", **style: Any,
    ) -> Text:
        """Return a text element; boxes are in px."""
        body = words if isinstance(words, RichText) else rich(words)
        return Text(id=self.fresh(), name=name, x=x, y=y, w=w, h=h, text=body, level=level,
                    style=Style(**style))

    def title_text(self, words: str, x: float = 80, y: float = 48, w: float = 1120) -> Text:
        """Return the title of a slide, in the style for titles."""
        return Text(id=self.fresh(), name="Title", x=x, y=y, w=w, h=72, level="title",
                    text=rich(words), **_following("styletitle"))

    def plate_title(self, words: str, w: float = 520) -> Text:
        """A title on a plate, for slides with a busy picture behind."""
        return self.text("Title", words, 60, 36, w, 68, level="title", font="heading", size=40,
                         bold=True, valign="middle", fill="sheet", radius=10, padding=18)

    def panel(self, x: float, y: float, w: float, h: float, **style: Any) -> Shape:
        """Return a rounded rectangle to put things on."""
        return Shape(id=self.fresh(), name="Panel", x=x, y=y, w=w, h=h, decoration=True,
                     style=Style(**{"fill": "sheet", "radius": 16, **style}))

    def line(self, x: float, y: float, w: float, h: float = 0, rising: bool = False,
             colour: str = "accent", width: float = 5) -> Shape:
        """Return a straight line within a box."""
        return Shape(id=self.fresh(), name="Line", shape="line", x=x, y=y, w=w, h=h, rising=rising,
                     decoration=True, style=Style(border_colour=colour, border_width=width))

    def dot(self, x: float, y: float, size: float, colour: str) -> Shape:
        """Return a filled circle."""
        return Shape(id=self.fresh(), name="Dot", shape="ellipse", x=x, y=y, w=size, h=size,
                     decoration=True, style=Style(fill=colour))

    def picture(
        self, name: str, file: str, x: float, y: float, w: float, h: float, alt: str = "",
        **more: Any,
    ) -> Picture:
        """Return a picture of one of the course's files."""
        return Picture(id=self.fresh(), name=name, media=file, x=x, y=y, w=w, h=h, alt=alt,
                       decoration=not alt, **more)

    def film(self, name: str, file: MediaFile, data: bytes, x: float, y: float, w: float, h: float,
             alt: str, **style: Any) -> Video:
        """A video that shows `file`, with all that is known of it."""
        self.media[file.sha256] = data
        self.files[file.id] = file
        return Video(id=self.fresh(), name=name, media=file.id, alt=alt, x=x, y=y, w=w, h=h,
                     style=Style(**style))

    def button(
        self, label: str, x: float, y: float, w: float = 200, h: float = 64,
        to: str | None = "next", **style: Any,
    ) -> Button:
        """A button that goes to ``next``, ``previous``, ``leave`` or the slide with id `to`."""
        rules = (Rule(id=self.fresh(), do=(GoTo(go=_destination(to)),)),) if to else ()
        return Button(id=self.fresh(), name=label, label=label, x=x, y=y, w=w, h=h, rules=rules,
                      **_following("stylebutton", **style))

    def callout(self, name: str, words: str, x: float, y: float, w: float, h: float,
                tail: tuple[float, float], **look: Any) -> Shape:
        """A speech bubble that points at `tail`, in shares of its box."""
        return Shape(id=self.fresh(), name=name, shape="callout", x=x, y=y, w=w, h=h,
                     text=rich(words), tail=Point(x=tail[0], y=tail[1]),
                     **_following("stylepanel", fill="sheet", size=25, **look))

    def field(self, name: str, label: str, variable: str, x: float, y: float, w: float,
              h: float) -> Input:
        """Something to type into, kept in a variable."""
        return Input(id=self.fresh(), name=name, label=label, variable=variable, x=x, y=y, w=w,
                     h=h, **_following("styleinput"))

    def writing(self, name: str, label: str, x: float, y: float, w: float, h: float,
                kind: str = "text", **more: Any) -> Input:
        """A field that a question is answered in; `kind` may be *long* or *scale*."""
        style = more.pop("style", {})
        return Input(id=self.fresh(), name=name, label=label, input=kind, x=x, y=y, w=w, h=h,
                     **more, **_following("styleinput", **style))

    def area(self, name: str, x: float, y: float, w: float, h: float, shape: str = "rectangle",
             **style: Any) -> Area:
        """A place on a picture; its name is what is said of it."""
        return Area(id=self.fresh(), name=name, alt=name, x=x, y=y, w=w, h=h, shape=shape,
                    style=Style(**style))

    def ring(self, name: str, of: str, x: float, y: float, size: float) -> Meter:
        """Return a ring that fills with a variable."""
        return Meter(id=self.fresh(), name=name, alt=name, meter="ring", of=of, x=x, y=y, w=size,
                     h=size, style=Style(fill="soft", text_colour="primary", size=24, bold=True,
                                         border_width=14))

    def choice_text(self, n: int, words: str, x: float, y: float, w: float, h: float = 72) -> Text:
        """Return the words of answer `n`, in the style for answers."""
        return Text(id=self.fresh(), name=f"Answer {n}", x=x, y=y, w=w, h=h, text=rich(words),
                    **_following("styleanswer"))

    def question(
        self, name: str, prompt: Element, answers: Sequence[Element], right: int, submit: Element,
        feedback: tuple[str, str, str], **settings: Any,
    ) -> SingleChoice:
        """A single choice whose answer number `right` (from 0) is the right one."""
        words = [rich(text) for text in feedback]
        return SingleChoice(
            id=self.fresh(), name=name, prompt=prompt.id, submit=submit.id,
            choices=tuple(
                Choice(id=self.fresh(), element=answer.id, right=n == right)
                for n, answer in enumerate(answers)
            ),
            feedback=Feedback(right=words[0], wrong=words[1], last=words[2]), **settings,
        )


    def asked(
        self, kind: type[Q], name: str, prompt: Element, submit: Element,
        feedback: tuple[str, str, str] = ("", "", ""), place: FeedbackPlace | None = None,
        hint: str = "", tells: bool | None = None, **settings: Any,
    ) -> Q:
        """A question of any kind, for practice unless said otherwise.

        `feedback` is said when it is right, wrong with tries left, and not right at last; a
        `hint` after the first try.
        """
        right, wrong, last = (rich(text) for text in feedback)
        return kind(
            id=self.fresh(), name=name, prompt=prompt.id, submit=submit.id,
            feedback=Feedback(right=right, wrong=wrong, last=last, place=place, tells=tells,
                              hints=(rich(hint),) if hint else ()),
            **{"purpose": "practice", "attempts": 2, "show_right": True, **settings},
        )


    def targets(self, elements: Iterable[Element], takes: int | None = 1) -> tuple[Target, ...]:
        """Return a drop target for each element."""
        return tuple(Target(id=self.fresh(), element=e.id, takes=takes) for e in elements)

    def items(
        self, elements: Iterable[Element], targets: Sequence[Target], on: Iterable[int | None]
    ) -> tuple[Item, ...]:
        """What is placed, each right on the target with the number (from 0) in `on`, or nowhere."""
        return tuple(
            Item(id=self.fresh(), element=e.id, to=() if n is None else (targets[n].id,))
            for e, n in zip(elements, on, strict=True))


def looking(element: Element, **looks: StylePatch) -> Element:
    """The element with looks of its own."""
    return element.model_copy(update={"looks": looks, "own": (*element.own, "looks")})


def _following(style: str, **own: Any) -> dict[str, Any]:
    """The settings of an element that follows a shipped style, but for `own`."""
    named = shipped_style(style)
    return {"named_style": named.id, "own": tuple(own), "looks": named.looks,
            "style": named.style.model_copy(update=own)}


def _destination(to: str) -> ToNext | ToPrevious | LeaveCourse | ToSlide:
    match to:
        case "next":
            return ToNext()
        case "previous":
            return ToPrevious()
        case "leave":
            return LeaveCourse()
    return ToSlide(slide=to)
