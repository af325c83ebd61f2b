"""Small courses for the tests."""

import random

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Course, CourseDocument, SlideSize, YesNoVariable, id_source
from zigzag_core.course.elements.blank import blank_slide, first_slide
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.editing.adding import add
from zigzag_core.engine.index import Index
from zigzag_core.program import ProgramRule, SetVariable


def fresh_ids(seed=1):
    return id_source(random.Random(seed))


def quiz_course(questions=2, seed=1, **settings):
    """An opening slide and `questions` slides with a single choice each (2 attempts, 1 point)."""
    fresh = fresh_ids(seed)
    slides = [first_slide("Quiz", fresh)]
    for n in range(questions):
        blank = blank_slide(f"Question {n + 1}", fresh)
        slide, *_ = add(blank, "single_choice", fresh, SlideSize())
        slides.append(slide)
    course = Course(id=fresh(), title="Quiz", slides=tuple(s.id for s in slides),
                    **{"styles": USUAL_STYLES, **settings})
    return CourseDocument(course=course, slides=tuple(slides))


def with_slides(document, slides):
    """The same course with other slides."""
    course = document.course.model_copy(update={"slides": tuple(s.id for s in slides)})
    return CourseDocument(course=course, slides=tuple(slides))


def program_of(document):
    return compile_course(document, by_digest)


def index_of(document):
    return Index(program_of(document))


def chasing_program():
    """A program with a rule that sets off itself."""
    flip = SetVariable(variable="flag", value=["not", ["variable", "flag"]])
    endless = ProgramRule(id="endless", on="variable_changed", target="flag", then=(flip,))
    begin = ProgramRule(id="begin", on="slide_entered", then=(flip,))
    return program_of(quiz_course(1)).model_copy(update={
        "rules": (endless, begin),
        "variables": (YesNoVariable(id="flag", name="flag"),),
    })
