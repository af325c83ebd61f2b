"""Reports: what they say, when they come, and what is wrong with them."""

from dataclasses import replace

import pytest
from pydantic import ValidationError
from zigzag_core.course.posts import COPY, USUAL_FIELDS, Post, PostField
from zigzag_core.engine.quiz_ways import may_review
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.document import findings

from .test_quiz_taking import Taker, taken_course

NOON = 1_764_504_000


def reports(learner):
    return [effect for effect in learner.effects if effect["effect"] == "report"]


def finished(**settings):
    """Somebody who has just finished the quiz with three right answers of four."""
    learner = Taker(taken_course(**{"post": Post(), **settings})).does("resume", now=NOON)
    return learner.does("next").answers(True, True, False, True)


def test_a_report_comes_once_when_the_attempt_is_finished():
    learner = finished(pass_mark=60)
    (found,) = reports(learner)
    assert dict(found["fields"]) == {
        "Name": "Ina", "Day": "2025-11-30", "Attempt": "1", "Points": "3", "Of": "4",
        "Per cent": "75", "Result": "passed"}
    assert found["id"] == f"1-secquiz-1-{NOON:x}" and found["attempt"] == 1
    assert not reports(learner.does("previous")) and not reports(learner.does("next"))


def test_what_has_not_arrived_is_reported_again_with_the_same_id():
    learner = finished()
    (first,) = reports(learner)
    later = Taker(taken_course())
    later.index = learner.index
    # Who the learner is comes from the LMS at each visit.
    later.state = replace(
        unpack(learner.index, pack(learner.index, learner.state)), learner="Ina")
    assert reports(later.does("resume", now=NOON + 90_000)) == [first]
    later.does("sent", quiz="secquiz", attempt=1)
    assert not reports(later.does("resume", now=NOON + 90_001))
    kept = unpack(later.index, pack(later.index, later.state))
    assert kept.taking["secquiz"].sent


@pytest.mark.parametrize("event", [
    {"quiz": "secquiz", "attempt": 2}, {"quiz": "nowhere", "attempt": 1},
    {"quiz": "__proto__", "attempt": 1}])
def test_news_of_another_attempt_changes_nothing(event):
    learner = finished()
    before = learner.state
    assert learner.does("sent", **event).state == before


def test_a_further_attempt_is_a_report_of_its_own():
    learner = finished()
    (first,) = reports(learner)
    learner.does("sent", quiz="secquiz", attempt=1).clicks("again")
    assert not learner.state.taking["secquiz"].sent
    learner.answers(True, True, True, True)
    (second,) = reports(learner)
    assert second["id"] != first["id"] and dict(second["fields"])["Attempt"] == "2"
    # What is heard of the first one now is no news of the second.
    assert not learner.does("sent", quiz="secquiz", attempt=1).state.taking["secquiz"].sent


def test_the_review_waits_for_the_report():
    learner = finished(review_sent=True)
    quiz = learner.index.program.quizzes[0]
    assert not may_review(learner.index, learner.state, quiz)
    learner.does("sent", quiz="secquiz", attempt=1)
    assert may_review(learner.index, learner.state, quiz)


def test_a_report_names_its_own_quiz_wherever_the_learner_is():
    learner = finished(post=Post(fields=(PostField(name="P", of="quiz_points"),)))
    learner.state = replace(learner.state, slide=learner.index.order[0])
    assert dict(reports(learner.does("resume", now=NOON + 5))[0]["fields"]) == {"P": "3"}


def test_a_package_says_nothing_of_mail_addresses():
    post = Post(mail="trainer@huts.example", sender="Hut School", before="Hello",
                copy_to="mailvar1")
    made = finished(post=post).index.program.quizzes[0]
    text = made.model_dump_json()
    assert "trainer@" not in text and "Hut School" not in text and "Hello" not in text
    assert made.post.fields[-1].name == COPY and made.post.fields[-1].of == "mailvar1"


@pytest.mark.parametrize("wrong", [
    {"mail": "trainer"}, {"mail": "a@b.example, c@d.example"}, {"mail": "a@b.example\n"},
    {"web": "ftp://huts.example"}, {"web": "javascript:alert(1)"}, {"web": "https://a b"},
    {"fields": (PostField(name="A", of="points"), PostField(name="A", of="score"))},
])
def test_addresses_and_fields_are_looked_at(wrong):
    with pytest.raises(ValidationError):
        Post(**wrong)


@pytest.mark.parametrize(("post", "codes"), [
    (Post(), set()),
    (Post(listed=False), {"report_nowhere"}),
    (Post(listed=False, web="http://huts.example/in"), {"report_open"}),
    (Post(fields=(PostField(name="Hut", of="gonevar1"),)), {"report_field_gone"}),
    (Post(subject="{{ Name }} in {{ Hut }}", fields=USUAL_FIELDS), {"report_word_gone"}),
])
def test_what_is_wrong_with_a_post_is_found(post, codes):
    found = {one.code for one in findings(taken_course(post=post))}
    assert {code for code in found if code.startswith("report_")} == codes


def test_without_an_outcome_nothing_is_ever_reported():
    assert "report_never" in {
        one.code for one in findings(taken_course(post=Post(), outcomes=()))}
