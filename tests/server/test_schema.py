"""Every operation of the API, sent what its description allows and what it does not."""

import json
import os
from pathlib import Path

import pytest
import schemathesis
from django.conf import settings as django_settings
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis import GenerationMode
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)
from zigzag_server.wsgi import application

DESCRIPTION = Path(__file__).resolve().parents[2] / "web" / "openapi.json"
FEW = 2
EXAMPLES = int(os.environ.get("EXAMPLES", FEW))
"""So many of each operation. `EXAMPLES=1000 .venv/bin/python -m pytest tests/server/test_schema.py`
tries more, and others."""

api = schemathesis.openapi.from_dict(json.loads(DESCRIPTION.read_text()))
api.app = application
OPERATIONS = {found.ok().label: found.ok() for found in api.get_all_operations()}
SETTINGS = settings(
    max_examples=EXAMPLES, deadline=None, derandomize=EXAMPLES == FEW, database=None,
    phases=[Phase.generate, Phase.shrink], suppress_health_check=list(HealthCheck))
MADE = {
    "POST /api/tokens": "token_id", "POST /api/courses": "slug",
    "POST /api/courses/{slug}/media": "media_id", "POST /api/library": "shared_id",
    "POST /api/courses/{slug}/media/{media_id}/share": "shared_id",
    "GET /api/courses/{slug}/history": "state_id",
    "GET /api/courses/{slug}/slides/{slide_id}/states": "state_id",
    "GET /api/courses/{slug}/packages": "package_id", "GET /api/practice/packages": "package_id",
    "GET /api/practice/learners": "learner", "GET /api/drawings": "key",
}
"""Which parameter names what an operation makes or lists. What jobs make is named beside."""
SIGNS_OUT = {"DELETE /api/session", "PUT /api/password"}


def any_of(operation):
    """What an operation may be sent, by its description and against it."""
    return st.one_of(*(operation.as_strategy(generation_mode=mode) for mode in GenerationMode))


class Sent:
    """Sends cases as an author, with names of things that there are."""

    def __init__(self, author, known, by_session=False):
        self.headers = _of_session(author) if by_session else author.headers
        self.known = {name: [value] for name, value in known.items()}

    def send(self, case, draw=None):
        for parameter in case.path_parameters:
            if values := self.known.get(parameter):
                case.path_parameters[parameter] = draw(st.sampled_from(values)) \
                    if draw else values[0]
        answer = case.call(base_url=django_settings.APP_ORIGIN, headers={
            **self.headers, "Accept-Encoding": "identity"})
        assert answer.status_code < 500, (answer.status_code, answer.text[:500])
        case.validate_response(answer, checks=[
            status_code_conformance, content_type_conformance, response_schema_conformance])
        if answer.status_code < 300 and answer.content:
            self._learn(case.operation.label, answer)

    def _learn(self, label, answer):
        if not answer.headers.get("content-type", [""])[0].startswith("application/json"):
            return
        said = answer.json()
        for one in said if isinstance(said, list) else [said]:
            if isinstance(one, dict) and "state" in one and "kind" in one:
                self._keep("job_id", one["id"])
                result = one.get("result") or {}
                for made, parameter in (("package", "package_id"), ("shared", "shared_id"),
                                        ("practice_package", "package_id"), ("course", "slug")):
                    self._keep(parameter, result.get(made))
            elif isinstance(one, dict) and label in MADE:
                self._keep(MADE[label], one.get("slug") or one.get("key") or one.get("id"))

    def _keep(self, parameter, value):
        if value is not None:
            self.known.setdefault(parameter, []).append(value)


def _of_session(author):
    author.client.force_login(author.user)
    session, csrf = author.client.cookies["sessionid"].value, "c" * 32
    return {"Cookie": f"sessionid={session}; csrftoken={csrf}", "X-CSRFToken": csrf}


@pytest.fixture
def known(course, mika):
    """Names of things that there are, by the parameters that name them."""
    slide = mika("get", f"/courses/{course}")["course"]["slides"][0]
    return {"slug": course, "slide_id": slide}


@pytest.mark.parametrize("name", OPERATIONS)
def test_nothing_that_is_sent_makes_the_server_fail(name, mika, known):
    @SETTINGS
    @given(any_of(OPERATIONS[name]), st.booleans(), st.booleans())
    def send(case, real, by_session):
        Sent(mika, known if real else {}, by_session).send(case)

    send()


def test_nothing_that_is_sent_after_other_things_makes_the_server_fail(mika, known):
    names = sorted(OPERATIONS.keys() - SIGNS_OUT)

    @SETTINGS
    @given(st.data())
    def send(data):
        sent = Sent(mika, known, data.draw(st.booleans()))
        for name in data.draw(st.lists(st.sampled_from(names), min_size=10, max_size=30)):
            sent.send(data.draw(OPERATIONS[name].as_strategy()), data.draw)

    send()
