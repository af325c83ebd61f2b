"""A course names files that are there and are its author's."""

import pytest
from zigzag_server.courses import files
from zigzag_server.courses.models import HeldFile
from zigzag_server.upkeep.cleaning import clean

from .test_courses import opened, png
from .test_upkeep import later

NOWHERE = "0" * 64


def upload(author, course, data=None, name="Hut.png"):
    return author("post", f"/courses/{course}/media", file=(name, data or png(), "image/png"),
                  status=201)["file"]


def names(author, course, file, status, way="put"):
    """Write settings that name a file, as a whole or as a change."""
    found = opened(author, course)
    if way == "put":
        body = {"base": found["version"],
                "course": {**found["course"], "media": [*found["course"]["media"], file]}}
        return author("put", f"/courses/{course}", body, status=status)
    operation = {"op": "add", "path": ["course", "media", file["id"]], "value": file}
    return author("post", f"/courses/{course}/changes", {
        "base": {"course": found["version"]}, "change": {"operations": [operation]}},
        status=status)


@pytest.fixture
def theirs(other):
    """A file of another author."""
    slug = other("post", "/courses", {"title": "Theirs"}, status=201)["slug"]
    return upload(other, slug, png((9, 9)))


@pytest.mark.parametrize("way", ["put", "changes"])
def test_neither_another_s_file_nor_one_that_there_is_not_can_be_named(mika, course, theirs, way):
    before = opened(mika, course)
    for sha256 in (theirs["sha256"], NOWHERE):
        refused = names(mika, course, {**theirs, "id": "fresh123", "sha256": sha256}, 422, way)
        assert "Hut.png" in str(refused), refused
    after = opened(mika, course)
    assert (after["course"], after["media"]) == (before["course"], before["media"])
    mika.archive(course)
    mika.job("post", f"/courses/{course}/packages", {"kind": "web"})


def test_one_s_own_file_can_be_named_in_all_one_s_courses(mika, course):
    file = upload(mika, course)
    names(mika, course, file, 200)
    second = mika("post", "/courses", {"title": "Second"}, status=201)["slug"]
    names(mika, second, file, 200)


def test_who_sends_the_same_bytes_has_the_file_too(mika, course, theirs):
    mine = upload(mika, course, png((9, 9)))
    assert mine["sha256"] == theirs["sha256"]
    names(mika, course, mine, 200)


def test_files_come_with_a_course_that_is_taken_in(mika, other, course):
    file = upload(mika, course)
    names(mika, course, file, 200)
    made = other.job("post", "/courses/import", file=(
        "course.zigzag", mika.archive(course), "application/zip"))
    assert made["course"]
    names(other, other("post", "/courses", {"title": "x"}, status=201)["slug"], file, 200)


def test_a_file_that_was_cleaned_away_is_to_be_sent_again(mika, course):
    file = upload(mika, course)
    clean(later(2))
    assert not HeldFile.objects.exists()
    names(mika, course, file, 422)
    names(mika, course, upload(mika, course), 200)


def test_a_course_whose_file_is_gone_says_which_and_what_is_left_can_be_exported(mika, course):
    file = upload(mika, course)
    names(mika, course, file, 200)
    files.remove(file["sha256"])
    problem = mika.job("post", f"/courses/{course}/archive")
    assert problem["code"] == "no_such_file" and "Hut.png" in problem["message"]
    left = mika.job("post", f"/courses/{course}/left")
    assert left["left_out"] == ["Hut.png: not stored"]
