"""The practice LMS's side of cmi5: launches, tokens, and the order of statements."""

import json
from urllib.parse import parse_qs, urlsplit

import pytest
from zigzag_server.practice.models import Launch
from zigzag_server.records.models import Document, Key, Statement

from tests.core.test_package import zipped

UNIT = b"""<courseStructure xmlns="https://w3id.org/xapi/profiles/cmi5/v1/CourseStructure.xsd">
<course id="https://example.org/hut"><title><langstring lang="en">The hut</langstring></title>
<description><langstring lang="en">A</langstring></description></course>
<block id="https://example.org/b"><title><langstring lang="en">B</langstring></title>
<description><langstring lang="en">B</langstring></description>
<au id="https://example.org/soup" moveOn="CompletedAndPassed" masteryScore="0.8">
<title><langstring lang="en">Soup</langstring></title>
<description><langstring lang="en">S</langstring></description>
<launchParameters>warm</launchParameters><url>start.html?hut=1</url></au></block>
</courseStructure>"""
VERB = "http://adlnet.gov/expapi/verbs/"
CMI5 = "https://w3id.org/xapi/cmi5/context/categories/cmi5"
MOVE_ON = "https://w3id.org/xapi/cmi5/context/categories/moveon"


@pytest.fixture
def package(mika):
    archive = zipped({"cmi5.xml": UNIT, "start.html": b"<!doctype html>"})
    return mika.job("post", "/practice/packages", file=("p.zip", archive))["practice_package"]


class Session:
    """A package made elsewhere, as it speaks to the record store."""

    def __init__(self, mika, learner, package, mode="normal"):
        self.learner = learner
        body = {"package": package, "learner": "ines-tarrow", "mode": mode}
        self.path = urlsplit(mika("post", "/practice/launches", body, status=201)["url"]).path
        page = learner.get(self.path).content.decode()
        source = page.split('src="/run')[1].split('"')[0].replace("&amp;", "&")
        self.query = {k: v[0] for k, v in parse_qs(urlsplit(source).query).items()}
        self.headers = {"x-experience-api-version": "1.0.3"}

    def fetch(self):
        answer = self.learner.post(urlsplit(self.query["fetch"]).path).json()
        if "auth-token" in answer:
            self.headers["authorization"] = f"Basic {answer['auth-token']}"
        return answer

    def data(self):
        state = {"activityId": self.query["activityId"], "agent": self.query["actor"],
                 "registration": self.query["registration"], "stateId": "LMS.LaunchData"}
        return self.learner.get("/xapi/activities/state", state, headers=self.headers).json()

    def says(self, verb, *categories, status=200, **result):
        one = {"actor": json.loads(self.query["actor"]), "verb": {"id": VERB + verb},
               "object": {"id": self.query["activityId"]},
               "context": {"registration": self.query["registration"], "contextActivities": {
                   "category": [{"id": each} for each in (CMI5, *categories)]}}}
        if result:
            one["result"] = result
        answer = self.learner.post("/xapi/statements", json.dumps(one), headers=self.headers,
                                   content_type="application/json")
        assert answer.status_code == status, answer.content
        return answer.content.decode()

    def begins(self):
        self.fetch()
        self.says("initialized")
        return self


def attempt(mika, package):
    return mika("get", f"/practice/packages/{package}")["results"][0]["attempts"][-1]


def verbs():
    return [one.verb.rpartition("/")[2] for one in Statement.objects.order_by("pk")]


def test_a_launch_says_where_to_and_gives_its_token_once(mika, learner, package):
    session = Session(mika, learner, package)
    assert session.query["hut"] == "1"
    assert json.loads(session.query["actor"])["name"] == "Ines Tarrow"
    assert "auth-token" in session.fetch() and session.fetch()["error-code"] == "1"
    data = session.data()
    assert (data["launchMode"], data["moveOn"], data["masteryScore"], data["launchParameters"]) == (
        "Normal", "CompletedAndPassed", 0.8, "warm")
    assert verbs() == ["launched"]
    said = Statement.objects.get().body
    assert said["context"]["registration"] == session.query["registration"]


def test_what_is_said_is_kept_and_the_unit_satisfied_once(mika, learner, package):
    session = Session(mika, learner, package).begins()
    session.says("completed", MOVE_ON, completion=True, duration="PT5S")
    session.says("passed", MOVE_ON, success=True, score={"scaled": 0.9}, duration="PT9S")
    session.says("terminated", duration="PT10.5S")
    found = attempt(mika, package)
    assert (found["status"], found["completion"], found["success"], found["score"]) == (
        "passed", "completed", "passed", 90)
    assert found["milliseconds"] == 10_500
    assert verbs() == ["launched", "initialized", "completed", "passed", "satisfied", "terminated"]


@pytest.mark.parametrize(("said", "next_", "why"), [
    ([], ("completed", MOVE_ON), "first statement"), (["initialized"], ("initialized",), "once"),
    (["initialized", "terminated"], ("completed", MOVE_ON), "Nothing follows"),
    (["initialized"], ("completed",), "moveon"),
    (["initialized", ("passed", MOVE_ON)], ("passed", MOVE_ON), "once"),
    (["initialized", ("passed", MOVE_ON)], ("failed", MOVE_ON), "Nobody fails"),
])
def test_what_breaks_the_order_is_refused_with_the_rule(mika, learner, package, said, next_, why):
    session = Session(mika, learner, package)
    session.fetch()
    for one in said:
        session.says(*((one,) if isinstance(one, str) else one))
    before = verbs()
    assert why in session.says(*next_, status=403)
    assert verbs() == before


def test_what_is_said_once_is_said_once_over_all_sessions(mika, learner, package):
    first = Session(mika, learner, package).begins()
    first.says("passed", MOVE_ON)
    first.says("terminated")
    second = Session(mika, learner, package).begins()
    assert second.query["registration"] == first.query["registration"]
    assert "once" in second.says("passed", MOVE_ON, status=403)


def test_a_session_that_was_broken_off_is_abandoned_at_the_next_launch(mika, learner, package):
    first = Session(mika, learner, package).begins()
    Session(mika, learner, package)
    assert verbs() == ["launched", "initialized", "abandoned", "launched"]
    # The key of the first session opens nothing any more.
    first.says("completed", MOVE_ON, status=401)


def test_after_a_crash_nothing_is_taken(mika, learner, package):
    session = Session(mika, learner, package).begins()
    assert learner.post(f"{session.path}crash").status_code == 204
    session.says("completed", MOVE_ON, status=401)


@pytest.mark.parametrize("mode", ["browse", "review"])
def test_who_only_looks_is_told_nothing_that_counts(mika, learner, package, mode):
    session = Session(mika, learner, package, mode).begins()
    assert session.data()["launchMode"] == mode.capitalize()
    assert "10.2.2" in session.says("completed", MOVE_ON, status=403)
    session.says("terminated")


def test_another_learner_s_registration_stays_closed(mika, learner, package):
    session = Session(mika, learner, package).begins()
    session.query["registration"] = "9b7c1c5e-6a4d-4b8c-9c54-0b7b6a1d1a11"
    assert "another registration" in session.says("completed", MOVE_ON, status=403)


def test_a_package_that_is_taken_out_leaves_nothing_in_the_store(mika, learner, package):
    Session(mika, learner, package).begins().says("completed", MOVE_ON)
    assert Document.objects.count() == 1
    mika("delete", f"/practice/packages/{package}", status=204)
    assert not any(one.objects.exists() for one in (Statement, Document, Key, Launch))


@pytest.mark.parametrize(("change", "why"), [
    ((b"start.html?hut=1", b"nowhere.html"), "does not hold it"),
    ((b"start.html?hut=1", b"https://example.org/x"), "outside the package"),
    ((b' id="https://example.org/soup"', b""), "has no id"),
    ((b"<au ", b"<unit "), "well-formed"), ((b"courseStructure", b"course"), "not a course"),
])
def test_bad_structures_are_refused_with_a_reason(mika, change, why):
    archive = zipped({"cmi5.xml": UNIT.replace(*change), "start.html": b""})
    problem = mika.job("post", "/practice/packages", file=("p.zip", archive))
    assert why in problem["message"], problem
