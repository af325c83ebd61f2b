"""Saved progress and what an LMS is told."""

import base64
import contextlib
import json
import re
import zlib
from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from zigzag_core.course import Happens, NumberVariable, Rule, TextVariable
from zigzag_core.course.rules.rule import Announce, Timer, Wait
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import as_json
from zigzag_core.errors import Damaged, OtherCourse
from zigzag_core.program import Program
from zigzag_core.tracking import plain, progress, scorm12
from zigzag_core.tracking.fullest import fullest, largest
from zigzag_demo.generate import generated_course

from tests.core.test_engine import at_question, click, other_wrong, run

from .quiz_course import quizzed
from .samples import fresh_ids, index_of, program_of, quiz_course, with_slides
from .strategies import programs, runs, sensible_run

slow = settings(
    max_examples=60, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck)
)


@slow
@given(programs(), st.integers(0, 2**32 - 1), runs)
def test_what_is_packed_comes_back(program, seed, events):
    index = Index(program)
    state = engine.run_all(index, seed, events)
    text = progress.pack(index, state)
    assert re.fullmatch(r"5[A-Za-z0-9_-]*", text)
    back = progress.unpack(index, text)
    for name in ("seed", "rng", "time", "slide", "clicked", "hidden", "disabled", "looks",
                 "variables", "completed", "success", "marked", "more_time", "opened",
                 "dropped", "watched", "entered", "path", "back", "overlays",
                 "clocks", "waiting", "positions"):
        assert getattr(back, name) == getattr(state, name), name
    assert set(back.visited) == set(state.visited)
    assert {q: (a.given, a.attempts, a.result, a.points, a.locked, a.used)
            for q, a in back.answers.items()} == {
        q: (a.given, a.attempts, a.result, a.points, a.locked, a.used)
        for q, a in state.answers.items()}
    assert progress.pack(index, back) == text


@slow
@given(st.data())
def test_damaged_progress_is_refused_and_never_misread(data):
    index = index_of(quiz_course())
    state, _, right, _, submit = at_question(index)
    state, _ = run(index, state, click(right), click(submit))
    text = progress.pack(index, state)
    place = data.draw(st.integers(0, len(text) - 1))
    damage = data.draw(st.sampled_from(["cut", "change", "drop", "add"]))
    broken = {
        "cut": text[:place],
        "change": text[:place] + ("A" if text[place] != "A" else "B") + text[place + 1:],
        "drop": text[:place] + text[place + 1:],
        "add": text[:place] + "é" + text[place:],
    }[damage]
    with contextlib.suppress(Damaged, OtherCourse):
        assert progress.unpack(index, broken) == progress.unpack(index, text)


@given(st.text(max_size=200))
def test_any_text_is_refused_cleanly(text):
    with pytest.raises((Damaged, OtherCourse)):
        progress.unpack(index_of(quiz_course(1)), text)


def published(document):
    """The course's settings after a publication: with the numbers that it gave."""
    return document.course.model_copy(update={"remembered": program_of(document).remembered})


def test_progress_of_another_course_is_refused():
    text = progress.pack(index_of(quiz_course(seed=1)), engine.start(index_of(quiz_course()), 1))
    with pytest.raises(OtherCourse):
        progress.unpack(index_of(quiz_course(seed=2)), text)


def test_an_older_publication_resumes_with_what_still_exists():
    old = quiz_course(3)
    old = with_slides(old.model_copy(update={"course": published(old)}), old.slides)
    index = index_of(old)
    state, grader, right, _, submit = at_question(index, 1)
    state, _ = run(index, state, click(right), click(submit))
    text = progress.pack(index, state)

    extra = quiz_course(1, seed=9).slides[1]
    new = with_slides(old, [old.slides[3], extra, old.slides[0], old.slides[2]])
    resumed = progress.unpack(index_of(new), text)
    assert resumed.slide == grader.slide and resumed.answers[grader.id].points == 1
    assert set(resumed.visited) == set(state.visited)

    without = with_slides(old, [old.slides[0], old.slides[3], extra])
    resumed = progress.unpack(index_of(without), text)
    assert grader.id not in resumed.answers
    assert resumed.slide == old.slides[0].id, "the slide is gone: back to the last one seen"


def test_numbers_once_given_stay():
    document = quiz_course(2)
    first = published(document)
    moved = with_slides(
        document.model_copy(update={"course": first}), [document.slides[2], document.slides[0]]
    )
    second = published(moved)
    assert second.remembered["slides"] == first.remembered["slides"]
    assert len(first.remembered["choices"]) == 6


@pytest.mark.parametrize(("slides", "questions", "most"), [(200, 100, 1_500), (800, 400, 4_096)])
def test_a_large_course_fits_scorm_12(slides, questions, most):
    """Seen to its end, everything answered and clicked, all variables changed."""
    document, _ = generated_course(slides=slides, questions=questions, seed=1, variables=50)
    index = Index(program_of(document))
    assert len(progress.pack(index, _all_done(index))) <= most


def test_a_quiz_of_a_hundred_drawn_questions_fits_as_well():
    """The same, with all questions in four sets, mixed, at the third attempt, some flagged."""
    document, _ = generated_course(slides=200, questions=100, seed=1, variables=50)
    index = Index(program_of(quizzed(
        document, 4, order="mixed", again="unseen", overview=True, time_limit=3_600)))
    done = _all_done(index)
    [draw] = done.draws
    done = replace(done, draws=(replace(draw, attempt=3, seen=draw.slides[::2]),))
    text = progress.pack(index, done)
    assert len(done.answers) == 100 and len(text) <= 1_500
    [back] = progress.unpack(index, text).draws
    assert (back.slides, back.attempt) == (draw.slides, 3) and {*back.seen} == {*draw.slides[::2]}


def _all_done(index):
    """A run in which everything happened, with values of variables that are usual."""
    return replace(fullest(index), rng=1, variables={
        v.id: v.default + 17 if isinstance(v, NumberVariable)
        else "Hut by the lake" if isinstance(v, TextVariable) else not v.default
        for v in index.program.variables})


def test_the_fullest_run_is_larger_than_any_and_comes_back():
    index = index_of(quiz_course(5, variables=(TextVariable(id="word", name="Word"),)))
    full = fullest(index)
    text = progress.pack(index, full)
    assert largest(index) == len(text)
    assert progress.pack(index, progress.unpack(index, text)) == text
    for seed in range(20):
        state = engine.run_all(index, seed, sensible_run(index, seed, 200))
        assert len(progress.pack(index, state)) < len(text)


def test_texts_in_other_scripts_take_more_room():
    def size(language):
        return largest(index_of(quiz_course(
            1, language=language, variables=(TextVariable(id="word", name="Word"),))))

    assert size("en") < size("zh-Hant") and size("ru") < size("zh-Hant")


ARCHIVE = json.loads((Path(__file__).parent / "archives" / "progress-4.json").read_text())


@pytest.mark.parametrize("version", ["4", "3"])
def test_progress_of_older_versions_is_read(version):
    index = Index(Program.model_validate(ARCHIVE["program"]))
    text = ARCHIVE["progress"]
    if version == "3":
        # It ends before the times: what is longer, and that no question has had time.
        raw = base64.urlsafe_b64decode(text[1:] + "=" * (-len(text[1:]) % 4))[:-6]
        packed = raw + zlib.crc32(raw).to_bytes(4, "little")
        text = "3" + base64.urlsafe_b64encode(packed).decode().rstrip("=")
    back = as_json(progress.unpack(index, text))
    for answer in back["answers"].values():
        assert answer.pop("judged") == answer["given"] and answer.pop("slips") == 0
    fresh = [back.pop(name) for name in (
        "draws", "taking", "positions", "disabled", "leaving", "retake", "speed", "flagged",
        "epoch", "zone", "saved")]
    assert fresh == [[], {}, {}, {}, None, False, 100, [], 0, 0, 0]
    assert back == ARCHIVE["state"]
    resumed, _ = engine.step(index, progress.unpack(index, text), {"event": "resume"})
    assert progress.unpack(index, progress.pack(index, resumed)).visited == resumed.visited


def test_timing_goes_on_where_it_was_and_begins_again_where_its_slide_is_gone():
    wait = Rule(id="later", when=Happens(event="slide_entered"),
                do=(Wait(seconds=10), Announce(text="Ten seconds")))
    document = quiz_course(2)
    document = with_slides(document, [
        document.slides[0], document.slides[1].model_copy(update={"rules": (wait,)}),
        document.slides[2]])
    document = document.model_copy(update={"course": published(document)})
    index = index_of(document)
    state = engine.run_all(index, 1, [
        {"event": "start", "target": document.slides[1].id}, {"event": "tick", "ms": 7_000}])
    back = progress.unpack(index, progress.pack(index, state))
    back, _ = engine.step(index, back, {"event": "resume"})
    _, effects = engine.step(index, back, {"event": "tick", "ms": 2_900})
    assert effects == []
    _, effects = engine.step(index, back, {"event": "tick", "ms": 3_000})
    assert effects == [{"effect": "announce", "text": "Ten seconds"}]
    gone = index_of(with_slides(document, [document.slides[0], document.slides[2]]))
    moved = progress.unpack(gone, progress.pack(index, state))
    assert moved.waiting == () and moved.entered == moved.time == 7_000


def test_a_one_time_timer_that_has_gone_off_does_not_go_off_again():
    timer = Rule(id="once", when=Timer(after=2), do=(Announce(text="Two seconds"),))
    document = quiz_course(1)
    first = document.slides[0].model_copy(update={"rules": (timer,)})
    index = index_of(with_slides(document, [first, document.slides[1]]))
    state = engine.run_all(index, 1, [{"event": "start"}, {"event": "tick", "ms": 5_000}])
    back, _ = engine.step(
        index, progress.unpack(index, progress.pack(index, state)), {"event": "resume"})
    assert engine.step(index, back, {"event": "tick", "ms": 60_000})[1] == []


def test_status_where_passing_counts_and_where_not():
    counts = index_of(quiz_course(1, completion={"slides_share": 1.0, "passing": True}))
    state, grader, right, wrong, submit = at_question(counts)
    assert scorm12.lesson_status(counts, state) == "incomplete"
    passed, _ = run(counts, state, click(right), click(submit))
    assert scorm12.lesson_status(counts, passed) == "passed"
    failed, _ = run(counts, state, click(wrong), click(submit),
                    {"event": "close", "target": f"{grader.id}_wrong"},
                    click(other_wrong(counts, grader, wrong)), click(submit))
    assert scorm12.lesson_status(counts, failed) == "failed"
    only_slides = index_of(quiz_course(1))
    state, *_ = at_question(only_slides)
    assert scorm12.lesson_status(only_slides, state) == "completed"
    assert not [c for c in scorm12.status_calls(only_slides, state) if "score" in c[0]]


def test_an_interaction_has_the_forms_of_the_standard():
    index = index_of(quiz_course(1))
    state, _, right, _, submit = at_question(index)
    _, effects = run(index, state, {"event": "tick", "ms": 61_234}, click(right), click(submit))
    answered = next(e for e in effects if e["effect"] == "answered")
    calls = dict(scorm12.interaction_calls(index, answered, 4, "09:08:07")[0])
    at = "cmi.interactions.4."
    assert next(iter(calls)) == at + "id"
    assert re.fullmatch(r"[A-Za-z0-9_.-]{1,255}", calls[at + "id"])
    assert calls[at + "student_response"] == calls[at + "correct_responses.0.pattern"] == "a"
    assert calls[at + "latency"] == "0000:01:01.23" and calls[at + "result"] == "correct"


@given(st.integers(-5, 10**12))
def test_timespans_have_their_form(ms):
    assert re.fullmatch(r"[0-9]{4}:[0-5][0-9]:[0-5][0-9]\.[0-9]{2}", scorm12.timespan(ms))


@given(st.floats(0, 100))
def test_decimals_have_their_form(value):
    assert re.fullmatch(r"[0-9]+(\.[0-9]{1,2})?", scorm12.decimal(value))


def test_calls_in_plain_words():
    say = plain.explain
    assert say("LMSSetValue", ["cmi.core.lesson_status", "incomplete"], "true") == (
        "The status is not finished yet.")
    assert say("LMSSetValue", ["cmi.interactions.2.student_response", "b"], "true") == (
        "The answer given of answer 3 is b.")
    assert "refused" in say("LMSSetValue", ["cmi.core.score.raw", "abc"], "false")
    assert say("LMSCommit", [""], "false") == "Please keep what was said. It was not kept."
    assert fresh_ids()() != fresh_ids(2)()


def test_a_call_names_the_slide_by_its_title_where_the_package_brings_it():
    said = ["cmi.core.lesson_location", "wb7"]
    assert plain.explain("LMSSetValue", said, "true", {"wb7": "Weather board"}) == (
        "The place in the course is “Weather board”.")
    assert plain.explain("LMSSetValue", said, "true") == "The place in the course is wb7."
