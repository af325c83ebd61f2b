"""Whatever the server takes it can give again; what cannot be read hides nothing else."""

import copy
import json

import pytest
from django.db import connection
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from zigzag_core.packaging.archive import import_archive

from tests.core.test_json_text import values

MARK = "here it stands"
RAW = ["1e400", "-1e999", "NaN", "Infinity", "-Infinity", r'"\ud800"', r'{"\udfff": 1}',
       "1" * 4_000, "[" * 3_000 + "]" * 3_000]


def put_raw(api, course, slide, raw):
    """Write a slide with `raw` where its notes say `MARK`; return the answer."""
    body = json.dumps({"base": 1, "slide": slide}).replace(json.dumps(MARK), raw)
    return api.client.put(f"/api/courses/{course}/slides/{slide['id']}", body,
                          content_type="application/json", headers=api.headers)


def slides_of(api, course):
    return [found["slide"] for found in api("get", f"/courses/{course}", status=200)["slides"]]


def marked_rule(slide):
    slide = copy.deepcopy(slide)
    slide["rules"] = [{"id": "rule1", "condition": MARK, "do": [
        {"action": "announce", "text": "Hear"}]}]
    return slide


def works(api, course):
    """The course is on the shelf, opens, is checked, published and exported."""
    card = next(card for card in api("get", "/courses", status=200) if card["slug"] == course)
    assert not card["damaged"]
    slides_of(api, course)
    assert api("get", f"/courses/{course}/check").get("findings") is not None
    assert api.job("post", f"/courses/{course}/packages", {"kind": "web"})["package"]
    assert import_archive(api.archive(course))


@pytest.mark.parametrize("raw", RAW)
@pytest.mark.parametrize("where", ["condition", "notes", "unknown"])
def test_values_that_cannot_be_given_again_are_refused_and_nothing_is_stored(
        mika, course, raw, where):
    before = slides_of(mika, course)
    slide = marked_rule(before[0]) if where == "condition" else {**before[0], where: MARK}
    answer = put_raw(mika, course, slide, raw)
    assert answer.status_code in (400, 422), answer.content
    assert answer.json()["code"] in ("unreadable", "invalid")
    assert "othing was changed" in answer.json()["message"]
    assert slides_of(mika, course) == before
    works(mika, course)


@pytest.mark.django_db
@settings(max_examples=60, deadline=None, derandomize=True,
          suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(condition=st.one_of(values, st.builds(
    lambda name, inner: [name, *inner], st.sampled_from(["+", "=", "and", "not", "join"]),
    st.lists(values, max_size=3))))
def test_whatever_is_taken_is_served_checked_published_and_exported(mika, course, condition):
    found = mika("get", f"/courses/{course}", status=200)["slides"][0]
    slide = marked_rule(found["slide"])
    slide["rules"][0]["condition"] = condition
    path = f"/courses/{course}/slides/{slide['id']}"
    answer = mika("put", path, {"base": found["version"], "slide": slide})
    if isinstance(answer, dict) and "version" in answer:
        works(mika, course)


def damage(table, text, **where):
    """Store a text as a disk or an older program might have."""
    named = " AND ".join(f"{name} = %s" for name in where)
    with connection.cursor() as cursor:
        cursor.execute(f"UPDATE {table} SET document = %s WHERE {named}",
                       [text, *where.values()])
        assert cursor.rowcount == 1


@pytest.mark.parametrize("text", [
    "{", "[]", "{}", "7", json.dumps({"id": float("nan")}), '{"title": "\\ud800"}'])
@pytest.mark.parametrize("what", ["settings", "slide"])
def test_a_course_that_cannot_be_read_hides_no_other(mika, course, text, what):
    sound = mika("post", "/courses", {"title": "Sound"}, status=201)["slug"]
    first, *rest = (slide["id"] for slide in slides_of(mika, course))
    with connection.constraint_checks_disabled(), connection.cursor() as cursor:
        cursor.execute("PRAGMA ignore_check_constraints = ON")
        if what == "settings":
            damage("courses_course", text, slug=course)
        else:
            damage("courses_slide", text, slide_id=first)
        cursor.execute("PRAGMA ignore_check_constraints = OFF")
    cards = {card["slug"]: card for card in mika("get", "/courses", status=200)}
    assert cards[course]["title"] == "Night Rules" and cards[course]["damaged"]
    works(mika, sound)
    for path in ("check", "archive"):
        answer = mika("get" if path == "check" else "post", f"/courses/{course}/{path}")
        ended = answer if "code" in answer else mika("get", f"/jobs/{answer['id']}")["problem"]
        assert ended["code"] == "damaged", ended
        assert "Night Rules" in ended["message"] and "export what is left" in ended["message"]
    asked = mika("post", f"/courses/{course}/left", status=202)
    result = mika("get", f"/jobs/{asked['id']}", status=200)["result"]
    assert result["left_out"]
    file = mika("get", f"/jobs/{asked['id']}/file", status=200)
    document, _ = import_archive(b"".join(file.streaming_content))
    assert document.course.slides == ((first, *rest) if what == "settings" else tuple(rest))
    mika("delete", f"/courses/{course}", status=204)
    assert [card["slug"] for card in mika("get", "/courses")] == [sound]
