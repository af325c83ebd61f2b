"""The practice LMS's side of SCORM 1.2."""

import csv
import io
import json

import pytest
from django.core.files.storage import default_storage
from zigzag_server.practice import data12
from zigzag_server.practice.models import Attempt, Package

from tests.core.test_package import NAMESPACES, SEVERAL, manifest, zipped

ELSEWHERE = zipped({
    "imsmanifest.xml": manifest("start.html"), "start.html": b"<!doctype html><p>Made elsewhere",
})


@pytest.fixture
def package(mika):
    return mika.job("post", "/practice/packages", file=("p.zip", ELSEWHERE))["practice_package"]


class Visit:
    """One launch, as the page around the package makes it."""

    def __init__(self, mika, learner, package, who="bo-lindqvale", sco=1):
        self.learner = learner
        body = {"package": package, "learner": who, "sco": sco}
        self.launch = mika("post", "/practice/launches", body, status=201)
        self.path = self.launch["url"].split("127.0.0.1:8000")[1]
        page = learner.get(self.path).content.decode()
        data = page.split('id="launch" type="application/json">')[1].split("</script>")[0]
        self.start = json.loads(data)["start"]["cmi"]

    def send(self, what, body):
        return self.learner.post(f"{self.path}{what}", json.dumps(body), content_type="text/plain")

    def commit(self, finish=False, interactions=(), **core):
        cmi = {"core": core, "suspend_data": core.pop("suspend_data", ""),
               "interactions": list(interactions)}
        answer = self.send("commit?finish=true" if finish else "commit", {"cmi": cmi})
        assert answer.json() == {"result": True, "errorCode": 0}


def results(mika, package, place=-1):
    return mika("get", f"/practice/packages/{package}")["results"][0]["attempts"][place]


def test_objectives_are_kept_and_given_back(mika, learner, package):
    quiz = {"id": "radio_sec1", "score": {"raw": "50", "min": "0", "max": "100", "x": "y"},
            "status": "failed", "odd": [1]}
    hostile = [quiz, 5, {"id": {"a": 1}}, {"id": "other", "score": [], "status": ["x"]}]
    first = Visit(mika, learner, package)
    answer = first.send("commit?finish=true", {"cmi": {
        "core": {"exit": "suspend"}, "objectives": {"childArray": hostile}}})
    assert answer.json()["result"] is True
    kept = [{"id": "radio_sec1", "score": {"raw": "50", "min": "0", "max": "100"},
             "status": "failed"}, {"id": "other", "score": {}, "status": ""}]
    assert Visit(mika, learner, package).start["objectives"] == kept
    # A package that says no titles is shown by its ids.
    assert results(mika, package)["objectives"][0] == {
        "id": "radio_sec1", "title": "radio_sec1", "status": "failed", "score": "50"}


def test_a_suspended_attempt_goes_on(mika, learner, package):
    first = Visit(mika, learner, package)
    assert first.start["core"]["entry"] == "ab-initio"
    assert first.start["core"]["lesson_status"] == "not attempted"
    assert first.start["student_data"]["mastery_score"] == "75"
    assert first.start["launch_data"] == "hello"
    first.commit(finish=True, lesson_status="incomplete", exit="suspend",
                 session_time="0000:01:30.50", score={"raw": "40", "min": "0", "max": "100"},
                 lesson_location="p3", suspend_data="abc")
    second = Visit(mika, learner, package)
    assert second.launch["resumed"] and second.launch["attempt"] == 1
    core = second.start["core"]
    assert (core["entry"], core["lesson_location"], core["lesson_status"]) == (
        "resume", "p3", "incomplete")
    assert core["total_time"] == "0000:01:30.50" and second.start["suspend_data"] == "abc"
    second.commit(finish=True, lesson_status="passed", exit="", session_time="0000:00:10.00",
                  score={"raw": "90"}, interactions=[{
                      "id": "q1", "type": "choice", "student_response": "b", "result": "correct",
                      "correct_responses": [{"pattern": "b"}]}])
    attempt = results(mika, package)
    assert (attempt["status"], attempt["score"], attempt["visits"]) == ("passed", 90, 2)
    assert attempt["milliseconds"] == 100_500
    assert attempt["interactions"][0]["answer"] == attempt["interactions"][0]["expected"] == "b"
    third = Visit(mika, learner, package)
    assert third.launch["attempt"] == 2 and third.start["core"]["entry"] == "ab-initio"
    assert "suspend_data" not in third.start


def open_answer(text="Since the wind turns.", **more):
    return {"id": "why", "type": "fill-in", "student_response": text, "result": "neutral", **more}


def test_an_open_answer_is_marked_later(mika, learner, package):
    visit = Visit(mika, learner, package)
    visit.commit(interactions=[{**open_answer(), "result": "correct"}, open_answer()])
    listed = mika("get", "/practice/packages")[0]
    assert listed["to_mark"] == 1
    judged, answer = results(mika, package)["interactions"]
    assert not judged["to_mark"] and answer["to_mark"] and answer["mark"] is None
    path = f"/practice/packages/{package}/marks"
    body = {"visit": answer["visit"], "index": answer["index"], "points": 7.5,
            "comment": " Well seen. "}
    mika("put", path, body, status=204)
    marked = results(mika, package)["interactions"][1]["mark"]
    assert (marked["points"], marked["comment"]) == (7.5, "Well seen.")
    assert mika("get", "/practice/packages")[0]["to_mark"] == 0
    visit.commit(interactions=[judged, open_answer(), open_answer("And the cloud.")])
    assert results(mika, package)["interactions"][1]["mark"]["points"] == 7.5
    assert mika("get", "/practice/packages")[0]["to_mark"] == 1
    mika("put", path, {**body, "points": None}, status=204)
    assert mika("get", "/practice/packages")[0]["to_mark"] == 2


@pytest.mark.parametrize(("change", "status"), [
    ({"points": 11}, 422), ({"points": -1}, 422), ({"index": 1}, 404), ({"index": 0}, 404),
    ({"visit": 999}, 404), ({"comment": "x" * 4_001}, 422),
])
def test_what_cannot_be_marked_is_refused(mika, learner, package, change, status):
    visit = Visit(mika, learner, package)
    visit.commit(interactions=[{"id": "q", "type": "choice"}, {"id": "q"}, open_answer()])
    answer = results(mika, package)["interactions"][2]
    body = {"visit": answer["visit"], "index": 2, "points": 1, "comment": "", **change}
    mika("put", f"/practice/packages/{package}/marks", body, status=status)
    assert results(mika, package)["interactions"][2]["mark"] is None


def test_nobody_marks_in_packages_of_others(mika, other, learner, package):
    visit = Visit(mika, learner, package)
    visit.commit(interactions=[open_answer()])
    answer = results(mika, package)["interactions"][0]
    body = {"visit": answer["visit"], "index": 0, "points": 1}
    other("put", f"/practice/packages/{package}/marks", body, status=404)
    theirs = other.job("post", "/practice/packages",
                       file=("p.zip", ELSEWHERE))["practice_package"]
    other("put", f"/practice/packages/{theirs}/marks", body, status=404)


def test_a_visit_without_a_goodbye_can_be_resumed(mika, learner, package):
    visit = Visit(mika, learner, package)
    visit.commit(lesson_status="incomplete", suspend_data="xyz")
    again = Visit(mika, learner, package)
    assert again.launch["attempt"] == 1 and again.start["suspend_data"] == "xyz"


def test_calls_are_logged_once_in_plain_words(mika, learner, package):
    visit = Visit(mika, learner, package)
    call = {"index": 0, "at": 1_795_000_000_000, "method": "LMSSetValue",
            "arguments": ["cmi.core.lesson_status", "passed"], "result": "true", "error": "0"}
    assert visit.send("calls", [call]).status_code == 204
    last = {**call, "index": 1, "method": "LMSFinish"}
    assert visit.send("calls", [call, last]).status_code == 204
    log = mika("get", f"/practice/packages/{package}/learners/bo-lindqvale/calls?attempt=1")
    assert [entry["words"] for entry in log] == [
        "The status is passed.", "The course says goodbye."]


@pytest.mark.parametrize("body", [
    None, [], {}, {"cmi": []}, {"cmi": "x"},
])
def test_nonsense_is_not_committed(mika, learner, package, body):
    visit = Visit(mika, learner, package)
    assert visit.send("commit", body).status_code == 400
    assert Attempt.objects.get().core == {}


@pytest.mark.parametrize("cmi", [
    {"core": []}, {"core": {"lesson_status": ["x"], "score": {"raw": "1e999"}, "exit": {}}},
    {"core": {"lesson_status": "hacked", "session_time": "99:99"}, "interactions": {"0": 5}},
    {"interactions": {"childArray": [{"id": {"a": 1}}]}, "suspend_data": {"a": 1}},
    {"core": {"lesson_location": "x" * 100_000}, "suspend_data": "y" * 1_000_000},
])
def test_hostile_values_are_kept_out_and_break_nothing(mika, learner, package, cmi):
    visit = Visit(mika, learner, package)
    assert visit.send("commit?finish=true", {"cmi": cmi}).status_code == 200
    attempt = results(mika, package)
    assert attempt["status"] == "not attempted" and attempt["score"] is None
    assert attempt["progress"] <= 65_536


def test_hostile_calls_break_nothing(mika, learner, package):
    visit = Visit(mika, learner, package)
    odd = [5, {"index": "x", "at": 1e99, "arguments": {"a": 1}}, {"index": 2, "at": -5},
           {"index": 3, "at": 10**13, "method": "<script>", "arguments": ["a" * 100_000] * 9}]
    assert visit.send("calls", odd).status_code == 204
    assert visit.send("calls", {"a": 1}).status_code == 400
    mika("get", f"/practice/packages/{package}/learners/bo-lindqvale/calls?attempt=1", status=200)


def test_files_are_served_to_their_launch_only(mika, learner, package):
    visit = Visit(mika, learner, package)
    token = visit.path.split("/")[2]
    assert learner.get(f"/run/{token}/start.html").status_code == 200
    for path in (f"/run/{token}/missing.html", f"/run/{token}/../../zigzag.sqlite3",
                 f"/run/{token}/%2e%2e/%2e%2e/secret-key", "/run/guess/start.html",
                 f"/run/{token}//etc/passwd", "/launch/guess/"):
        assert learner.get(path).status_code == 404, path


@pytest.mark.parametrize(("data", "reason"), [
    (b"junk", "not a ZIP"), (zipped({"a.html": b"x"}), "no imsmanifest.xml"),
    (zipped({"imsmanifest.xml": b"<manifest"}), "well-formed"),
    (zipped({"imsmanifest.xml": manifest("gone.html")}), "does not hold it"),
    (zipped({"imsmanifest.xml": manifest("a.html"), "../a.html": b""}), "leads out"),
    (zipped({"imsmanifest.xml": manifest("a.html"), "a.html": bytes(110_000_000)}), "trap"),
])
def test_bad_packages_are_refused_and_leave_nothing(mika, data, reason):
    answer = mika.job("post", "/practice/packages", file=("p.zip", data))
    assert reason in answer["message"] and answer["message"].endswith("Nothing was put in.")
    assert not Package.objects.exists() and not default_storage.exists("practice")


def test_taking_out_a_package_removes_its_files(mika, package):
    folder = Package.objects.get().folder
    assert default_storage.exists(f"{folder}/start.html")
    mika("delete", f"/practice/packages/{package}", status=204)
    assert not default_storage.exists(folder)


@pytest.mark.parametrize(("text", "ms"), [
    ("0000:01:30.50", 90_500), ("00:00:05", 5_000), ("12:00:00.5", 43_200_500), ("", 0), ("1h", 0),
])
def test_timespans_of_packages_are_read(text, ms):
    assert data12.milliseconds(text) == ms


def test_each_part_of_a_package_has_its_own_launch_and_status(mika, learner):
    files = {"imsmanifest.xml": SEVERAL.format(ns=NAMESPACES).encode(),
             "all/res/one/start.html": b"<p>One", "top/start.html": b"<p>Two"}
    package = mika.job("post", "/practice/packages",
                       file=("p.zip", zipped(files)))["practice_package"]
    first, second = (Visit(mika, learner, package, sco=number) for number in (1, 2))
    assert "student_data" not in first.start
    assert second.start["student_data"]["mastery_score"] == "60"
    pages = [learner.get(visit.path).content.decode() for visit in (first, second)]
    assert ["/top/start.html?a=1" in page for page in pages] == [False, True]
    first.commit(finish=True, lesson_status="completed", exit="", suspend_data="one")
    second.commit(finish=True, lesson_status="incomplete", exit="suspend", suspend_data="two")
    found = mika("get", f"/practice/packages/{package}")
    assert [sco["title"] for sco in found["scos"]] == ["First", "Second"]
    assert [(a["sco"], a["number"], a["status"]) for a in found["results"][0]["attempts"]] == [
        (1, 1, "completed"), (2, 1, "incomplete")]
    assert Visit(mika, learner, package, sco=1).launch["attempt"] == 2
    assert Visit(mika, learner, package, sco=2).start["suspend_data"] == "two"
    mika("post", "/practice/launches",
         {"package": package, "learner": "bo-lindqvale", "sco": 3}, status=404)


def test_lists_ask_the_same_however_long_they_are(mika, learner, package,
                                                  django_assert_max_num_queries):
    for who in ("bo-lindqvale", "ines-tarrow"):
        Visit(mika, learner, package, who).commit(interactions=[open_answer(), open_answer()])
    for _ in range(12):
        more = mika.job("post", "/practice/packages", file=("p.zip", ELSEWHERE))
        Visit(mika, learner, more["practice_package"]).commit(interactions=[open_answer()])
    with django_assert_max_num_queries(8):
        listed = mika("get", "/practice/packages", status=200)
    assert [(one["learners"], one["to_mark"]) for one in listed] == [(1, 1)] * 12 + [(2, 4)]
    assert mika("get", "/practice/packages?most=5&start=10", status=200) == listed[10:]


def test_of_a_long_log_only_what_is_asked_for_is_read(mika, learner, package):
    first, second = Visit(mika, learner, package), Visit(mika, learner, package)
    call = {"at": 1_795_000_000_000, "method": "LMSCommit", "arguments": [""], "result": "true"}
    for visit in (first, second):
        visit.send("calls", [{**call, "index": n, "error": str(n)} for n in range(30)])
    path = f"/practice/packages/{package}/learners/bo-lindqvale/calls?attempt=1"
    part = mika("get", f"{path}&after=25&most=10", status=200)
    assert [(one["visit"], one["error"]) for one in part] == [
        *((1, str(n)) for n in range(25, 30)), *((2, str(n)) for n in range(5))]
    assert len(mika("get", path, status=200)) == 60


def test_no_form_of_a_package_is_sent_to_the_author_s_origin(mika, learner, package):
    path = Visit(mika, learner, package).path.replace("/launch/", "/run/")
    policy = learner.get(f"{path}start.html")["Content-Security-Policy"]
    assert "form-action 'self'" in policy and policy.startswith("sandbox ")
    assert "allow-popups-to-escape-sandbox" not in policy


def test_results_are_a_table_with_a_row_for_each_answer(mika, other, learner, package):
    visit = Visit(mika, learner, package)
    visit.commit(finish=True, lesson_status="passed", score={"raw": "80"}, interactions=[
        {"id": "q1", "type": "choice", "student_response": "a", "result": "correct"},
        {"id": "=1+1", "type": "fill-in", "student_response": "=2", "result": "wrong"}])
    Visit(mika, learner, package, who="ines-tarrow").commit()
    answer = mika("get", f"/practice/packages/{package}/results/csv", status=200)
    rows = list(csv.reader(io.StringIO(answer.content.decode("utf-8-sig"))))
    assert rows[0][:4] == ["Learner", "Part", "Attempt", "Status"] and len(rows) == 4
    assert [row[0] for row in rows[1:]] == ["Ines Tarrow", "Bo Lindqvale", "Bo Lindqvale"]
    assert rows[2][3:8] == ["passed", "", "", "80", "0"]
    assert rows[2][8:12] == ["q1", "a", "", "correct"]
    assert rows[3][8:10] == ["'=1+1", "'=2"], "nothing is computed in a spreadsheet"
    book = mika("get", f"/practice/packages/{package}/results/xlsx", status=200)
    assert book.content.startswith(b"PK")
    other("get", f"/practice/packages/{package}/results/csv", status=404)
