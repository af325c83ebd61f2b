"""Records in the forms of SCORM 2004 and xAPI."""

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.compiler.questions import grader_of
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.grading.solutions import right_response
from zigzag_core.tracking.records2004 import interaction_definition, record2004

from .question_runs import anyhow, quizzes
from .test_questions import slide_with

NAME = r"[a-z0-9_]{1,250}"
RESPONSES = {
    "choice": rf"({NAME}(\[,\]{NAME})*)?", "sequencing": rf"({NAME}(\[,\]{NAME})*)?",
    "matching": rf"({NAME}\[\.\]{NAME}(\[,\]{NAME}\[\.\]{NAME})*)?",
    "performance": rf"({NAME}\[\.\][^\[\]]*(\[,\]{NAME}\[\.\][^\[\]]*)*)?",
    "true-false": "(true|false)?", "numeric": r"-?\d+(\.\d+)?", "likert": r"[^\[\]]{0,250}",
    "fill-in": r"(?s).*", "long-fill-in": r"(?s).{0,4000}",
}
TYPES = {
    "single_choice": "choice", "multiple_response": "choice", "true_false": "true-false",
    "blanks": "fill-in", "short_text": "fill-in", "numeric": "numeric", "matching": "matching",
    "ordering": "sequencing", "drag_to_target": "matching", "hotspot": "performance",
    "open_answer": "long-fill-in", "rating_scale": "performance",
}


def grader(kind):
    slide = slide_with(kind)
    return grader_of(slide, slide.questions[0])


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_every_kind_has_its_type_and_right_answers_their_pattern(kind):
    asked = grader(kind)
    told = record2004(asked, right_response(asked))
    assert told.type == TYPES[kind] and re.fullmatch(RESPONSES[told.type], told.response)
    if kind in ("open_answer", "rating_scale"):
        assert told.patterns == ()
    elif kind == "numeric":
        assert (told.response, told.patterns) == ("10", ("10[:]10",))
    elif kind in ("blanks", "short_text"):
        assert told.patterns == ("{case_matters=false}{order_matters=true}" + told.response,)
    elif kind == "hotspot":
        wanted = re.sub(r"\[\.\][0-9:]+", "[.]", told.response)
        assert told.patterns == ("{order_matters=false}" + wanted,)
    else:
        [pattern] = told.patterns
        assert sorted(told.response.split("[,]")) == sorted(pattern.split("[,]"))


@given(quizzes(), st.randoms(use_true_random=False))
def test_any_answer_has_the_form_of_its_type(program, rng):
    for asked in program.questions:
        told = record2004(asked, tuple((p, str(value)) for p, value in anyhow(asked, rng)))
        if told.type not in ("matching", "performance"):
            assert re.fullmatch(RESPONSES[told.type], told.response)
        assert len(told.response) <= 4_000 and all(len(p) <= 4_000 for p in told.patterns)


def test_the_definition_names_the_parts_in_words():
    asked = grader("drag_to_target")
    told = interaction_definition(asked, "en")
    assert told["interactionType"] == "matching"
    assert [c["description"]["en"] for c in told["source"]] == [
        "First item", "Second item", "Third item", "Belongs nowhere"]
    assert [c["description"]["en"] for c in told["target"]] == ["Goes here", "Goes there"]
    assert told["correctResponsesPattern"] == list(record2004(asked, ()).patterns)
    assert interaction_definition(grader("numeric"), "en")["interactionType"] == "numeric"
    assert "choices" in interaction_definition(grader("ordering"), "en")


def test_delimiters_within_an_answer_delimit_nothing():
    asked = grader("short_text")
    told = record2004(asked, ((asked.parts[0].id, "{lang=de}a[,]b[.]c[:]"),))
    assert told.response == "{ lang=de}a[ ,]b[ .]c[ :]"
