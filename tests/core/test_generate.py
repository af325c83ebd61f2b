"""Generated courses: every kind of question, every pattern, any numbers."""

from typing import get_args

import pytest
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Pattern
from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.verification.findings.runs import try_out
from zigzag_demo.generate import generated_course

from .strategies import sensible_run


@pytest.mark.parametrize(("slides", "questions"), [(40, 20), (30, 0), (1, 20), (12, 12), (3, 50)])
def test_any_numbers_give_a_course_that_is_sound_and_runs(slides, questions):
    document, _ = generated_course(slides, questions, 4, variables=7, varied=True)
    assert len(document.slides) == slides
    assert sum(len(slide.questions) for slide in document.slides) == questions
    for slide in document.slides:
        valid_slide(slide)
    index = Index(compile_course(document, by_digest))
    assert engine.run_all(index, 1, sensible_run(index, 1, 100)).visited
    assert not [f for f in try_out(document).findings if f.level == "error"]


def test_every_kind_of_question_and_every_pattern_is_there():
    document, _ = generated_course(40, 20, 4, varied=True)
    asked = {question.kind for slide in document.slides for question in slide.questions}
    made = {pattern.kind for slide in document.slides for pattern in slide.patterns}
    assert asked == set(QUESTION_KINDS)
    assert made == {model.model_fields["kind"].default for model in get_args(get_args(Pattern)[0])}


def test_more_questions_than_slides_hold_are_refused():
    with pytest.raises(ValueError, match="at most 40 questions on 2 slides"):
        generated_course(2, 41, 1, varied=True)
    with pytest.raises(ValueError, match="at most 2 questions"):
        generated_course(2, 3, 1)
