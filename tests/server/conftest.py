"""Two authors, and ways to ask the API."""

import json

import pytest
from django.conf import settings as django_settings
from django.contrib.auth import get_user_model
from django.core.files.storage import default_storage
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from zigzag_core.editing.changes import Change, apply
from zigzag_server.accounts.models import Token
from zigzag_server.courses import store
from zigzag_server.publishing import packaging, programs

APP = django_settings.APP_ORIGIN.split("//")[1]
CONTENT = django_settings.CONTENT_ORIGIN.split("//")[1]


class Api:
    """An author's script: JSON in, JSON out, with a personal token."""

    def __init__(self, secret=None):
        self.client = Client(headers={"host": APP})
        self.headers = {"authorization": f"Bearer {secret}"} if secret else {}

    def __call__(self, method, path, body=None, file=None, status=None):
        extra = {}
        if file is not None:
            extra = {"data": {"file": SimpleUploadedFile(*file)}}
        elif body is not None:
            extra = {"data": json.dumps(body), "content_type": "application/json"}
        answer = getattr(self.client, method)(f"/api{path}", headers=self.headers, **extra)
        if status is not None:
            assert answer.status_code == status, answer.content[:500]
        is_json = answer.get("Content-Type", "").startswith("application/json")
        return answer.json() if is_json and not answer.streaming and answer.content else answer

    def job(self, method, path, body=None, file=None):
        """What comes of a job that is asked for: its result, or its problem with the code."""
        asked = self(method, path, body, file, status=202)
        ended = self("get", f"/jobs/{asked['id']}", status=200)
        assert ended["state"] in ("done", "failed"), ended
        return ended["result"] if ended["state"] == "done" else ended["problem"]

    def archive(self, slug):
        """The archive of a course, as its job makes it."""
        asked = self("post", f"/courses/{slug}/archive", status=202)
        file = self("get", f"/jobs/{asked['id']}/file", status=200)
        return b"".join(file.streaming_content)

    def edit(self, path, body):
        """What an edit comes to: its answer, with the documents after its change."""
        before = {"course": body.get("course"), "slides": {}}
        if "slide" in body:
            before["slides"][body["slide"]["id"]] = body["slide"]
        answer = self("post", f"/edits{path}", body, status=200)
        change = Change.model_validate(answer["change"])
        made = apply(change, before)
        assert not made.conflicts
        named = body["slide"]["id"] if "slide" in body else answer["made"]
        return {**answer, **made.document, "slide": made.document["slides"].get(named)}


@pytest.fixture(autouse=True)
def storage(settings, tmp_path):
    """Files of a test stay in its own folder, and the player need not be built.

    Passwords are hashed fast: their strength is Django's affair, and costs a second a test.
    """
    settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
    settings.MEDIA_ROOT = tmp_path / "files"
    settings.JOBS_AT_ONCE = True
    settings.WEB_DIST = tmp_path / "dist"
    player = settings.WEB_DIST / "player"
    player.mkdir(parents=True)
    for name in ("player.css", "player-scorm12.js", "player-scorm2004.js", "player-cmi5.js",
                 "player-web.js"):
        (player / name).write_text("/* player */")
    (settings.WEB_DIST / "app").mkdir()
    (settings.WEB_DIST / "app" / "index.html").write_text("<!doctype html><title>Zigzag</title>")
    packaging.player_files.cache_clear()
    return default_storage


def _author(name):
    user = get_user_model().objects.create_user(name, password="a good long one")
    api = Api(Token.issue(user, "test")[1])
    api.user = user
    return api


@pytest.fixture(autouse=True)
def fresh_programs():
    """Courses of another test, which are gone, may have had the same keys."""
    programs.forget()
    store.forget()


@pytest.fixture
def mika(db):
    return _author("mika")


@pytest.fixture
def other(db):
    return _author("other")


@pytest.fixture
def learner():
    """A browser on the content's origin, which has no session."""
    return Client(headers={"host": CONTENT})


@pytest.fixture
def course(mika):
    """A course with three slides, the second and third with a question."""
    slug = mika("post", "/courses", {"title": "Night Rules"}, status=201)["slug"]
    for title in ("One", "Two"):
        opened = mika("get", f"/courses/{slug}")
        slide = mika.edit("/new-slide", {"title": title})["slide"]
        body = {"slide": slide, "course": opened["course"], "what": "single_choice"}
        slide = mika.edit("/add", body)["slide"]
        path = f"/courses/{slug}/slides/{slide['id']}"
        mika("put", path, {"base": 0, "slide": slide}, status=200)
        settings = opened["course"]
        settings["slides"].append(slide["id"])
        mika("put", f"/courses/{slug}", {"base": opened["version"], "course": settings}, status=200)
    return slug
