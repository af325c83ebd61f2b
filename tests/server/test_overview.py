"""A course for its trainer: who is where, who has answered what."""

from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.program import Program
from zigzag_core.tracking.progress import pack
from zigzag_server.practice.models import Package

from .test_practice import ELSEWHERE, Visit


def _put_in(mika, course, kind):
    made = mika.job("post", f"/courses/{course}/packages", {"kind": kind})["package"]
    return mika.job("post", "/practice/packages/from-publication", {"publication": made})[
        "practice_package"]


def _progress(mika, course, slides):
    """The progress of a learner who has seen so many slides."""
    index = Index(Program.model_validate(mika("get", f"/courses/{course}/program", status=200)))
    events = [{"event": "start"}, *[{"event": "next"}] * (slides - 1)]
    return pack(index, engine.run_all(index, 1, events))


def test_a_trainer_sees_who_has_seen_which_slides_and_answered_what(mika, course, learner):
    package = _put_in(mika, course, "scorm12")
    empty = mika("get", f"/practice/packages/{package}/overview", status=200)
    assert empty["learners"] == [] and len(empty["slides"]) == 3
    answers = [{"id": "q1", "type": "choice", "student_response": "a", "result": result}
               for result in ("wrong", "wrong", "correct")]
    Visit(mika, learner, package, "ines-tarrow").commit(
        suspend_data=_progress(mika, course, 2), interactions=answers, exit="suspend",
        lesson_status="incomplete")
    Visit(mika, learner, package).commit(interactions=answers[:2])
    found = mika("get", f"/practice/packages/{package}/overview", status=200)
    ines, bo = found["learners"]
    assert (ines["place"], ines["seen"], ines["status"]) == (1, [0, 1], "incomplete")
    assert ines["answers"] == [{"question": "q1", "result": "correct", "attempts": 3}]
    assert bo["answers"] == [{"question": "q1", "result": "wrong", "attempts": 2}]
    assert (bo["place"], bo["seen"]) == (None, [])
    assert [one["id"] for one in found["questions"]] == ["q1"]


def test_progress_that_cannot_be_read_says_nothing(mika, course, learner):
    package = _put_in(mika, course, "scorm12")
    Visit(mika, learner, package).commit(suspend_data="5nonsense", exit="suspend")
    [one] = mika("get", f"/practice/packages/{package}/overview", status=200)["learners"]
    assert (one["place"], one["seen"]) == (None, [])


def test_a_package_from_elsewhere_has_no_slides(mika, other, course, learner):
    package = mika.job("post", "/practice/packages", file=("p.zip", ELSEWHERE))["practice_package"]
    Visit(mika, learner, package).commit(suspend_data="theirs", lesson_status="passed")
    found = mika("get", f"/practice/packages/{package}/overview", status=200)
    assert found["slides"] == [] and found["learners"][0]["status"] == "passed"
    other("get", f"/practice/packages/{package}/overview", status=404)


def test_two_questions_with_one_wording_stay_two(mika, course, learner):
    package = _put_in(mika, course, "scorm12")
    asked = Package.objects.get(pk=package).about["questions"]
    assert len(asked) == 2 and len({one["prompt"] for one in asked.values()}) == 1
    Visit(mika, learner, package).commit(interactions=[
        {"id": name, "type": "choice", "result": result}
        for name, result in zip(asked, ("correct", "wrong"), strict=True)])
    found = mika("get", f"/practice/packages/{package}/overview", status=200)
    assert [one["id"] for one in found["questions"]] == list(asked)
    assert [one["result"] for one in found["learners"][0]["answers"]] == ["correct", "wrong"]
