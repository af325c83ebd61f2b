"""Records of answers, written for an LMS and read back in words."""

from types import SimpleNamespace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.compiler.questions import grader_of
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.questions.question import Accepts, Near
from zigzag_core.engine.index import Index
from zigzag_core.grading.grade import judge
from zigzag_core.grading.solutions import right_response
from zigzag_core.packaging.incremental import compiled_whole
from zigzag_core.program.grader import Accepts as ProgramAccepts
from zigzag_core.tracking import scorm12
from zigzag_core.tracking.recorded import OUT_OF
from zigzag_core.tracking.recorded12 import recorded_answers
from zigzag_core.tracking.records12 import LONGEST, record
from zigzag_core.tracking.scorm12 import interaction_calls
from zigzag_core.tracking.words import PackageWords, QuestionWords, read_words

from .test_questions import document, slide_with


def as_held(interactions):
    """The records as an LMS holds them after all calls were made."""
    held = []
    for calls in interactions:
        record_ = {"correct_responses": []}
        for element, value in calls:
            name = element.split(".", 3)[3]
            if name.startswith("correct_responses"):
                record_["correct_responses"].append({"pattern": value})
            else:
                record_[name] = value
        held.append(record_)
    return held


def answered(kind, response, result="right"):
    """What is told of `response` to a question of `kind`, read back, with the question's words."""
    made = document(slide_with(kind))
    program = compile_course(made, by_digest)
    index = Index(program)
    grader = next(iter(index.questions.values()))
    effect = {"effect": "answered", "question": grader.id, "given": response(grader),
              "result": result, "latency": 1_000}
    words = compiled_whole(made, by_digest).words
    held = as_held(interaction_calls(index, effect, 0, "09:00:00"))
    read = recorded_answers(held, words.questions)
    return grader, words.questions[grader.record], read


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_every_kind_is_read_back_in_words(kind):
    def response(grader):
        return right_response(grader) or tuple((part.id, "3") for part in grader.parts)

    grader, words, [answer] = answered(kind, response)
    assert answer.question == words.prompt and answer.latency == "0000:00:01.00"
    if grader.form in ("choose", "order", "pairs", "spots"):
        for part in grader.parts:
            if part.right and part.words:
                assert part.words in answer.answer
        assert answer.answer == answer.expected or grader.form in ("pairs", "spots")


def test_several_statements_are_read_with_their_words():
    _, words, _ = answered("rating_scale", lambda g: ())
    raw = {"id": "q", "type": "fill-in", "student_response": "a=3; b=5", "result": "neutral"}
    scale = QuestionWords(prompt="Say", kind="rating_scale", answers={"a": "Beds", "b": "Soup"})
    [answer] = recorded_answers([raw], {"q": scale})
    assert answer.answer == "Beds: 3; Soup: 5" and not answer.to_mark
    assert {sign for sign in words.answers if len(sign) == 1} <= set("abcdefghij")


@given(st.text(st.characters(codec="utf-8", exclude_categories=["Cs"]), max_size=1_000))
def test_an_open_answer_is_told_whole_however_long_it_is(text):
    grader, _, [answer] = answered(
        "open_answer", lambda g: ((g.parts[0].id, text),), result="neutral"
    )
    assert answer.answer == text and answer.to_mark
    given_ = ((grader.parts[0].id, text),)
    assert all(len(piece) <= LONGEST for piece in record(grader, given_).more)


def test_what_goes_on_is_told_from_another_answer():
    def raw(name, text):
        return {"id": name, "type": "fill-in", "student_response": text, "result": "neutral"}

    held = [raw("q", "one "), raw("q.2", "two "), raw("q.3", "three"), raw("q", "again"),
            raw("q.3", "late"), raw("p.2", "other")]
    assert [(a.index, a.answer) for a in recorded_answers(held, {})] == [
        (0, "one two three"), (3, "again"), (4, "late"), (5, "other")]
    named = {"q.2": QuestionWords(prompt="A question of its own")}
    assert [a.answer for a in recorded_answers(held[:2], named)] == ["one ", "two "]


def test_what_has_no_right_and_wrong_waits_to_be_marked():
    free = {"id": "q", "type": "fill-in", "student_response": "x", "result": "neutral"}
    judged = [{**free, "result": "correct"}, {**free, "type": "choice"},
              {**free, "correct_responses": [{"pattern": "x"}]}]
    assert [a.to_mark for a in recorded_answers([free, *judged], {})] == [True, False, False, False]
    assert recorded_answers([free], {})[0].out_of == OUT_OF
    [answer] = recorded_answers([free], {"q": QuestionWords(
        prompt="Why?", kind="open_answer", points=4, model="Since …")})
    assert (answer.question, answer.out_of, answer.model) == ("Why?", 4, "Since …")


json_ = st.recursive(
    st.none() | st.booleans() | st.floats() | st.text(max_size=9),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(
        st.sampled_from(["id", "type", "student_response", "correct_responses", "pattern", "0"]),
        inner, max_size=5),
    max_leaves=12,
)


@given(st.lists(st.dictionaries(
    st.sampled_from(["id", "type", "student_response", "correct_responses", "result"]), json_)))
def test_hostile_records_are_read_as_far_as_they_are_records(records):
    questions = {"q": QuestionWords(prompt="", kind="rating_scale", answers={"": ""})}
    assert len(recorded_answers(records, questions)) <= len(records)


@pytest.mark.parametrize("data", [
    None, b"", b"[", b"[]", b'{"questions": 3}', b'{"questions": {"q": {}}}', b"\xff",
    b'{"questions": {"q": {"prompt": "x", "points": "many"}}}', b"[" * 100_000, b" " * 5_000_000,
])
def test_words_that_cannot_be_read_are_no_words(data):
    assert read_words(data) == PackageWords()


def test_a_model_answer_comes_with_the_package():
    slide = slide_with("open_answer")
    made = document(slide)
    question = made.slides[0].questions[0]
    words = compiled_whole(made, by_digest).words.questions
    assert words[grader_of(made.slides[0], question).record].kind == "open_answer"
    assert read_words(PackageWords(questions=words).model_dump_json().encode()).questions == words


def asked(kind, **changes):
    slide = slide_with(kind)
    return grader_of(slide, slide.questions[0].model_copy(update=changes))


def result_of(grader, given):
    made = judge(grader, given, 1)
    effect = {"effect": "answered", "question": grader.id, "attempt": 1, "given": list(given),
              "result": made.result, "points": made.points, "latency": 0}
    index = SimpleNamespace(questions={grader.id: grader}, quiz_of={},
                            program=SimpleNamespace(objectives=()))
    return dict(scorm12.interaction_calls(index, effect, 0, "09:00:00")[0])


def test_partly_right_is_neither_right_nor_wrong():
    grader = asked("multiple_response", partial="right_parts", points=4)
    half = ((grader.parts[0].id, ""),)
    assert result_of(grader, half)["cmi.interactions.0.result"] == "0.5"
    practice = asked("multiple_response", purpose="practice")
    assert result_of(practice, half)["cmi.interactions.0.result"] == "neutral"


def test_every_way_to_be_right_is_expected():
    pairs = asked("drag_to_target")
    first, second = (target.id for target in pairs.targets)
    items = (pairs.parts[0].model_copy(update={"right": (first, second)}), *pairs.parts[1:])
    pairs = pairs.model_copy(update={"parts": items})
    assert record(pairs, ()).patterns == ("a.1,b.2,c.1", "a.2,b.2,c.1")
    words = tuple(f"word {n}" for n in range(8))
    text = asked("short_text", accepts=Accepts(words=words))
    assert record(text, ()).patterns == words
    spots = asked("hotspot")
    right = tuple(part.model_copy(update={"right": ("",)}) for part in spots.parts)
    spots = spots.model_copy(update={"parts": right, "needed": 1})
    assert record(spots, ()).patterns == ("a", "b")
    survey = asked("multiple_response", purpose="survey")
    assert record(survey, ()).patterns == ()


def test_small_numbers_and_long_emoji_are_recorded_as_they_were_given():
    grader = asked("numeric", accepts=Accepts(near=(Near(value=0.001),)))
    found = record(grader, ((grader.parts[0].id, "0,001"),))
    assert (found.response, found.patterns) == ("0.001", ("0.001",))
    words = asked("short_text")
    found = record(words, ((words.parts[0].id, "\U0001f600" * 200),))
    assert found.response == "\U0001f600" * 127, "255 units of UTF-16 hold 127 of them"
    free = asked("open_answer", at_most=300)
    found = record(free, ((free.parts[0].id, "\U0001f600" * 200),))
    assert found.response + "".join(found.more) == "\U0001f600" * 200


def test_commas_within_answers_are_told_from_those_between_them():
    blanks = asked("blanks")
    one, two = blanks.parts[:2]
    parts = (
        one.model_copy(update={"accepts": ProgramAccepts(words=("salt, coarse", "salt"))}),
        two.model_copy(update={"accepts": ProgramAccepts(words=("a\\b",))}))
    blanks = blanks.model_copy(update={"parts": parts})
    found = record(blanks, ((one.id, "pepper, black"), (two.id, "c")))
    assert found.response == "pepper\\, black, c"
    assert found.patterns == ("salt\\, coarse, a\\\\b", "salt, a\\\\b")
