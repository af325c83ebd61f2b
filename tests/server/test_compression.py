"""What is sent: compressed where it is text, whole where it is asked for in parts."""

import gzip
import json

import pytest
from django.test import Client

from tests.core.test_package import manifest, zipped

from .conftest import APP, CONTENT
from .test_practice import Visit

LONG = b"<!doctype html><p>" + b"Lids on. " * 2_000
GZIP = {"accept-encoding": "gzip, br"}


def test_answers_of_the_api_are_compressed_for_who_takes_it(mika, course):
    path = f"/api/courses/{course}"
    plain = mika.client.get(path, headers=mika.headers)
    packed = mika.client.get(path, headers={**mika.headers, **GZIP})
    assert packed["Content-Encoding"] == "gzip" and "Content-Encoding" not in plain
    assert "Accept-Encoding" in packed["Vary"]
    assert json.loads(gzip.decompress(packed.content)) == plain.json()
    assert len(packed.content) < len(plain.content) / 3


@pytest.fixture
def visit(mika, learner):
    files = {"imsmanifest.xml": manifest("start.html"), "start.html": LONG,
             "film.mp4": LONG, "notes.vtt": b"WEBVTT\n\n" + LONG}
    package = mika.job("post", "/practice/packages",
                       file=("p.zip", zipped(files)))["practice_package"]
    return Visit(mika, learner, package)


@pytest.mark.parametrize(("name", "packed"), [
    ("start.html", True), ("notes.vtt", True), ("film.mp4", False)])
def test_of_a_package_only_texts_are_compressed(visit, learner, name, packed):
    path = visit.path.replace("/launch/", "/run/") + name
    whole = learner.get(path)
    answer = learner.get(path, headers=GZIP)
    content = b"".join(answer.streaming_content)
    assert (answer.get("Content-Encoding") == "gzip") is packed
    assert (gzip.decompress(content) if packed else content) == b"".join(whole.streaming_content)
    part = learner.get(path, headers={**GZIP, "range": "bytes=10-29"})
    assert part.status_code == 206 and "Content-Encoding" not in part
    assert b"".join(part.streaming_content) == (LONG if name != "notes.vtt" else
                                                b"WEBVTT\n\n" + LONG)[10:30]


def test_nothing_is_compressed_that_hardly_gets_shorter(mika, db):
    answer = mika.client.get("/api/session", headers=GZIP)
    assert "Content-Encoding" not in answer
    assert Client(headers={"host": CONTENT}).get("/nothing", headers=GZIP).status_code == 404
    assert Client(headers={"host": APP}).get("/api/nothing", headers=GZIP).json()["code"]
