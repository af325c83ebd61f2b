"""SCORM 2004: the manifest, what a run tells, and what is read back of it."""

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course.document import Completion
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.grading.solutions import right_response, wrong_response
from zigzag_core.packaging.incremental import compiled_whole
from zigzag_core.packaging.package import place_in_package
from zigzag_core.packaging.read_manifest import read_manifest
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.tracking.recorded2004 import recorded_answers
from zigzag_core.tracking.scorm2004 import interaction_calls, interval, status_calls

from tests.demo_courses import hut_warden_basics

from .making import course, slide
from .packing import packaged
from .samples import fresh_ids
from .strategies import any_run, programs, runs
from .test_package import PLAYER
from .test_questions import Taking, document, slide_with
from .test_recorded12 import as_held

CP = "{http://www.imsglobal.org/xsd/imscp_v1p1}"
ADLCP = "{http://www.adlnet.org/xsd/adlcp_v1p3}"
ADLNAV = "{http://www.adlnet.org/xsd/adlnav_v1p3}"
IMSSS = "{http://www.imsglobal.org/xsd/imsss}"
INTERVAL = re.compile(r"PT(?:(\d+)H)?(?:(\d+)M)?(\d+(?:\.\d{1,2})?)S")


def _files(kind):
    made, media = hut_warden_basics()
    return read_zip(packaged(kind, compiled_whole(made, place_in_package), PLAYER, media))


@pytest.mark.parametrize(("kind", "version"), [
    ("scorm2004", "2004 4th Edition"), ("scorm2004_3", "2004 3rd Edition")])
def test_the_manifest_says_what_the_standard_asks(kind, version):
    files = _files(kind)
    assert next(iter(files)) == "imsmanifest.xml" and files["player/player.js"] == b"// scorm2004"
    root = etree.fromstring(files["imsmanifest.xml"])
    assert [child.tag for child in root] == [
        CP + "metadata", CP + "organizations", CP + "resources"]
    metadata = root[0]
    assert (metadata[0].text, metadata[1].text) == ("ADL SCORM", version)
    # Each namespace that is used has a schema.
    located = root.get("{http://www.w3.org/2001/XMLSchema-instance}schemaLocation").split()[::2]
    used = {etree.QName(e).namespace for e in root.iter()}
    assert used <= set(located)
    [organization] = root.iter(CP + "organization")
    assert [child.tag for child in organization] == [
        CP + "title", CP + "item", IMSSS + "sequencing"]
    item = organization[1]
    # The order is that of the schemas: what is the item's own first, then what else there is.
    assert [child.tag for child in item] == [
        CP + "title", ADLCP + "completionThreshold", IMSSS + "sequencing", ADLNAV + "presentation"]
    threshold = item[1]
    told = threshold.get("minProgressMeasure") if kind == "scorm2004" else threshold.text
    assert told == "1.0"
    [delivery] = item.iter(IMSSS + "deliveryControls")
    assert set(delivery.attrib.values()) == {"true"}
    # With an objective satisfied by measure an LMS would set success by itself.
    assert not list(root.iter(IMSSS + "primaryObjective"))
    [resource] = root.iter(CP + "resource")
    assert resource.get(ADLCP + "scormType") == "sco" and resource.get("identifier") == "sco"
    listed = {file.get("href") for file in resource}
    assert listed == set(files) - {"imsmanifest.xml"}
    identifiers = [e.get("identifier") for e in root.iter() if e.get("identifier")]
    assert len(set(identifiers)) == len(identifiers)
    read = read_manifest(files)
    assert (read.title, read.standard, read.sequenced) == ("Hut Warden Basics", kind, False)
    [sco] = read.scos
    assert (sco.launch, sco.threshold, sco.mastery_score) == ("index.html", 1.0, None)


@given(runs, st.integers(0, 2**32 - 1), programs())
def test_completion_success_and_progress_are_told_of_any_run(events, seed, program):
    index = Index(program)
    now = engine.start(index, seed)
    for event in [*events, *any_run(seed, 12)[1:]]:
        now, _ = engine.step(index, now, event)
        told = dict(status_calls(index, now))
        measure = float(told["cmi.progress_measure"])
        assert 0 <= measure <= 1
        assert (measure == 1) == (told["cmi.completion_status"] == "completed")
        assert told["cmi.completion_status"] == "completed" or not now.completed
        judged = program.completion.passing or bool(now.marked)
        assert told["cmi.success_status"] == (now.success if judged else "unknown")
        if "cmi.score.scaled" in told:
            share = float(told["cmi.score.scaled"])
            assert 0 <= share <= 1 and share * 100 == pytest.approx(float(told["cmi.score.raw"]))


def test_where_only_passing_counts_a_final_result_completes():
    made = document(slide_with("single_choice"), attempts=1)
    only = Completion(slides_share=None, passing=True)
    made = made.model_copy(update={"course": made.course.model_copy(update={"completion": only})})

    def told(response):
        taker = Taking(made)
        calls = dict(status_calls(taker.index, taker.state))
        assert calls["cmi.completion_status"] == "incomplete"
        taker.answers(response(taker.grader)).submits()
        calls = dict(status_calls(taker.index, taker.state))
        return calls["cmi.completion_status"], calls["cmi.success_status"]

    assert told(right_response) == ("completed", "passed")
    assert told(wrong_response) == ("completed", "failed")


def test_progress_grows_with_the_slides_and_is_whole_only_at_the_end():
    names = fresh_ids(3)
    index = Index(compile_course(course(*(slide(names()) for _ in range(7))), by_digest))
    now, _ = engine.step(index, engine.start(index, 1), {"event": "start"})
    found = []
    for _ in range(7):
        found.append(dict(status_calls(index, now))["cmi.progress_measure"])
        now, _ = engine.step(index, now, {"event": "next"})
    assert found == ["0.14", "0.28", "0.42", "0.57", "0.71", "0.85", "1"]


@given(st.integers(-5, 10**11))
def test_an_interval_is_the_time_in_hundredths(milliseconds):
    hours, minutes, seconds = INTERVAL.fullmatch(interval(milliseconds)).groups()
    found = (int(hours or 0) * 60 + int(minutes or 0)) * 60 + float(seconds)
    assert found == pytest.approx(max(milliseconds, 0) // 10 / 100)
    assert int(minutes or 0) < 60 and float(seconds) < 60


def _read_back(kind, response):
    made = document(slide_with(kind))
    index = Index(compile_course(made, by_digest))
    [grader] = index.questions.values()
    effect = {"effect": "answered", "question": grader.id, "given": response(grader),
              "result": "right", "latency": 1_000}
    calls = interaction_calls(index, effect, 0, "2026-11-28T12:00:00.00Z")
    words = compiled_whole(made, by_digest).words
    [answer] = recorded_answers(as_held(calls), words.questions)
    return grader, answer


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_every_kind_is_read_back_in_words(kind):
    def response(grader):
        return right_response(grader) or tuple((part.id, "3") for part in grader.parts)

    grader, answer = _read_back(kind, response)
    assert answer.question == grader.prompt and answer.latency == "PT1S"
    if grader.form in ("choose", "order", "pairs", "spots"):
        for part in grader.parts:
            if part.right and part.words:
                assert part.words in answer.answer
        assert answer.answer == answer.expected or grader.form in ("pairs", "spots")
    assert not re.search(r"\[[,.:]\]|\{\w+=", answer.answer + answer.expected)
    # No id of a part or target is left.
    names = [one.id for one in (*grader.parts, *grader.targets)]
    assert not any(name in answer.answer for name in names)


def test_records_of_other_packages_are_read_as_they_are():
    [range_, wrong, hostile] = recorded_answers([
        {"id": "urn:a", "type": "numeric", "learner_response": "4",
         "correct_responses": {"0": {"pattern": "3[:]5"}}, "description": "How many?",
         "result": "correct"},
        {"id": "b", "type": "fill-in", "learner_response": "{lang=de}Haus[,]{lang=en}house",
         "result": "incorrect"},
        {"id": {"a": 1}, "type": ["x"], "learner_response": {"b": 2}, "correct_responses": "no"},
    ], {})
    assert (range_.question, range_.expected) == ("How many?", "3 to 5")
    assert (wrong.answer, wrong.result) == ("Haus, house", "wrong")
    assert hostile.expected == "" and not hostile.to_mark
