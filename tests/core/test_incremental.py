"""Slides that are compiled once and kept: never other than if all were compiled anew."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import CourseDocument, Happens, Rule, SlideSize, TextVariable
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.rules.rule import StartOver
from zigzag_core.editing.adding import add
from zigzag_core.editing.overlays import with_overlay
from zigzag_core.editing.removing import without
from zigzag_core.errors import NothingToPublish
from zigzag_core.packaging.incremental import Compilation
from zigzag_core.program import Program
from zigzag_demo.tool_library import tool_library

from tests.demo_courses import hut_warden_basics

from .samples import fresh_ids, quiz_course, with_slides


class Author:
    """Changes a course, and compiles it with what was kept of the last time."""

    def __init__(self, document):
        self.document = document
        self.kept = {}
        self.fresh = fresh_ids(11)

    def compile(self):
        """Check the program against one compiled anew; return the slides that were compiled."""
        texts = [slide.model_dump_json() for slide in self.document.slides]
        compilation = Compilation(self.document.course, texts, self.kept)
        stale = compilation.stale
        made = compilation.run(by_digest)
        anew = compile_course(self.document, by_digest)
        assert Program.model_validate_json(made.program) == anew
        assert made.course.remembered == anew.remembered
        assert len(compilation.fresh) == stale
        self.kept |= compilation.fresh
        return set(compilation.fresh)

    def slide(self, number, change):
        slides = list(self.document.slides)
        number %= len(slides)
        slides[number] = change(slides[number])
        self.document = with_slides(self.document, slides)
        return slides[number].id

    def course(self, **changes):
        course = self.document.course.model_copy(update=changes)
        self.document = CourseDocument(course=course, slides=self.document.slides)

    def add(self, number, kind):
        return self.slide(number, lambda slide: add(slide, kind, self.fresh, SlideSize())[0])

    def rename(self, number, title):
        return self.slide(number, lambda slide: slide.model_copy(update={"title": title}))

    def start_over(self, number, what):
        rule = Rule(id=self.fresh(), when=Happens(event="slide_entered"),
                    do=(StartOver(what=what, keep=("seen",)),))
        return self.slide(number, lambda slide: slide.model_copy(
            update={"rules": (*slide.rules, rule)}))

    def read_again(self, number, of):
        def change(slide):
            return slide.model_copy(update={"questions": tuple(
                q.model_copy(update={"feedback": q.feedback.model_copy(update={"read_again": of})})
                for q in slide.questions)})
        return self.slide(number, change)


def drop_first(slide):
    return without(slide, [e.id for e in slide.elements[:1]])


EDITS = {
    "add": lambda author, n: author.add(n, ["text", "text_input", "button", "numeric"][n % 4]),
    "rename": lambda author, n: author.rename(n, f"Title {n}"),
    "drop": lambda author, n: author.slide(n, drop_first),
    "overlay": lambda author, n: author.slide(n, lambda slide: with_overlay(
        slide, [e.id for e in slide.elements[:1]], author.fresh)[0]),
    "start over": lambda author, n: author.start_over(
        n, ["slide", "section", "quiz", "course"][n % 4]),
    "read again": lambda author, n: author.read_again(n, author.document.slides[0].id),
    "turn round": lambda author, n: setattr(
        author, "document", with_slides(author.document, author.document.slides[::-1])),
    "new slide": lambda author, n: setattr(author, "document", with_slides(
        author.document, (*author.document.slides, blank_slide("New", author.fresh)))),
    "fewer": lambda author, n: setattr(author, "document", with_slides(
        author.document, author.document.slides[:max(2, len(author.document.slides) - 1)])),
    "variable": lambda author, n: author.course(variables=(
        *author.document.course.variables, TextVariable(id=author.fresh(), name=f"V{n}"))),
    "no gate": lambda author, n: author.course(gate=None),
    "feedback": lambda author, n: author.course(
        feedback=author.document.course.feedback.model_copy(update={"w": 500 + n})),
    "no styles": lambda author, n: author.course(styles=author.document.course.styles[1:]),
    "no sections": lambda author, n: author.course(sections=author.document.course.sections[1:]),
    "title": lambda author, n: author.course(title=f"Course {n}"),
    "no media": lambda author, n: author.course(media=author.document.course.media[1:]),
}
STEPS = st.lists(st.tuples(st.sampled_from(sorted(EDITS)), st.integers(0, 40)), max_size=8)


def some_of_the_hut():
    document, media = hut_warden_basics()
    return with_slides(document, document.slides[8:16]), media


@pytest.mark.parametrize("made", [some_of_the_hut, tool_library])
@settings(max_examples=50, deadline=None, derandomize=True)
@given(steps=STEPS)
def test_what_is_kept_is_never_other_than_what_is_compiled_anew(made, steps):
    author = Author(made()[0])
    author.compile()
    for name, number in steps:
        EDITS[name](author, number)
        author.compile()
    assert author.compile() == set()


def test_an_edit_of_a_slide_compiles_that_slide_alone():
    author = Author(quiz_course(20))
    assert len(author.compile()) == 21
    for edit in (lambda: author.add(3, "text"), lambda: author.rename(4, "Another"),
                 lambda: author.slide(5, drop_first)):
        edited = edit()
        assert author.compile() == {edited}
    assert author.compile() == set()
    author.course(title="Another", walkthroughs=())
    assert author.compile() == set()


def test_a_slide_that_starts_the_course_over_follows_what_is_on_the_others():
    author = Author(quiz_course(20))
    edited = author.start_over(2, "course")
    author.compile()
    changed = author.add(7, "text")
    assert author.compile() == {edited, changed}


@pytest.mark.parametrize("spoil", [
    lambda text: "", lambda text: "{", lambda text: text[:-20], lambda text: "null",
    lambda text: text.replace('"source":"', '"source":"0'),
    lambda text: text.replace('"scope":"', '"scope":"0'),
])
def test_what_was_kept_in_another_form_is_compiled_anew(spoil):
    author = Author(quiz_course(3))
    author.compile()
    author.kept = {name: spoil(text) for name, text in author.kept.items()}
    assert len(author.compile()) == 4


def test_a_course_without_slides_is_not_compiled():
    with pytest.raises(NothingToPublish):
        Compilation(quiz_course(0).course.model_copy(update={"slides": ()}), [])
