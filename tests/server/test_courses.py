"""Courses over the API: what is kept, what is refused, who may see what."""

import hashlib
import io
import json
from pathlib import Path

import pytest
from django.core.files.storage import default_storage
from django.core.management import call_command
from PIL import Image
from zigzag_core.course.document import FORMAT
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_server.courses import api as courses_api
from zigzag_server.courses import store, taking
from zigzag_server.courses.models import Course, Revision
from zigzag_server.practice import api as practice_api

from tests.core.test_package import ARCHIVES, changed, zipped


def png(size=(8, 8)):
    out = io.BytesIO()
    Image.new("RGB", size).save(out, "PNG")
    return out.getvalue()


def opened(api, slug):
    return api("get", f"/courses/{slug}", status=200)


def test_shelf_create_rename_duplicate_delete_and_undo(mika):
    card = mika("post", "/courses", {"title": "Stove"}, status=201)
    assert card["slides"] == 1 and card["first_slide"]["title"] == "Welcome"
    assert mika("patch", f"/courses/{card['slug']}", {"title": "The stove"})["title"] == "The stove"
    copy = mika.job("post", f"/courses/{card['slug']}/duplicate")
    assert copy["title"] == "The stove (copy)" and copy["course"] != card["slug"]
    mika("delete", f"/courses/{card['slug']}", status=204)
    assert [c["slug"] for c in mika("get", "/courses")] == [copy["course"]]
    mika("get", f"/courses/{card['slug']}", status=404)
    assert mika("post", f"/courses/{card['slug']}/restore")["title"] == "The stove"
    assert len(mika("get", "/courses")) == 2


def test_every_accepted_write_is_kept(mika, course):
    slide = opened(mika, course)["slides"][0]["slide"]
    path = f"/courses/{course}/slides/{slide['id']}"
    for n in range(3):
        slide["title"] = f"Title {n}"
        mika("put", path, {"base": n + 1, "slide": slide}, status=200)
    kept = mika("get", f"{path}/states")
    assert [state["version"] for state in kept] == [4, 3, 2, 1]
    assert kept[0]["author"] == "mika"
    old = mika("get", f"{path}/states/{kept[2]['id']}")
    assert old["slide"]["title"] == "Title 0"
    aside = mika("post", f"{path}/states", {**slide, "title": "Lost otherwise"}, status=201)
    assert aside["version"] == 0 and mika("get", path)["slide"]["title"] == "Title 2"
    assert mika("get", f"{path}/states/{aside['id']}")["slide"]["title"] == "Lost otherwise"


def test_the_whole_course_can_be_seen_as_it_was(mika, course):
    before = opened(mika, course)
    [*_, first] = mika("get", f"/courses/{course}/history")
    moment = mika("get", f"/courses/{course}/history")[0]["id"]
    slide = {**before["slides"][1]["slide"], "title": "Later"}
    mika("put", f"/courses/{course}/slides/{slide['id']}", {"base": 1, "slide": slide}, status=200)
    fewer = {**before["course"], "title": "Shorter", "slides": before["course"]["slides"][:2]}
    mika("put", f"/courses/{course}", {"base": before["version"], "course": fewer}, status=200)
    then = mika("get", f"/courses/{course}/history/{moment}")
    assert then["course"]["slides"] == before["course"]["slides"]
    assert [s["title"] for s in then["slides"]] == [s["slide"]["title"] for s in before["slides"]]
    assert mika("get", f"/courses/{course}/history/{first['id']}")["course"]["title"]
    mika("get", f"/courses/{course}/history/999999", status=404)


def test_a_stored_course_of_format_5_is_raised_with_its_kept_states(mika):
    files = read_zip(ARCHIVES[4].read_bytes())
    settings = json.loads(files["course.json"])
    slides = {name: json.loads(files[f"slides/{name}.json"]) for name in settings["slides"]}
    row = store.create_from(mika.user, store.CourseRows(settings, slides))
    call_command("migrate", verbosity=0)
    now = opened(mika, row.slug)
    assert now["course"]["format"] == FORMAT
    rows = [row for slide in now["slides"] for question in slide["slide"]["questions"]
            for row in question["table"]]
    assert rows and all(isinstance(row["cells"], dict) for row in rows)
    state = mika("get", f"/courses/{row.slug}/history")[0]["id"]
    then = mika("get", f"/courses/{row.slug}/history/{state}", status=200)
    assert then["slides"] == [slide["slide"] for slide in now["slides"]]
    for name in settings["slides"]:
        path = f"/courses/{row.slug}/slides/{name}/states"
        mika("get", f"{path}/{mika('get', path)[0]['id']}", status=200)


def test_courses_stored_in_the_first_format_are_raised(mika, course):
    before = opened(mika, course)
    row = Course.objects.get(slug=course)
    old = {k: v for k, v in row.document.items()
           if k not in ("sections", "theme", "styles", "layouts", "guides")}
    Course.objects.filter(pk=row.pk).update(document={**old, "format": 1})
    Revision.objects.filter(course=row, slide_id="").update(document={**old, "format": 1})
    for slide in row.slide_rows.all():
        elements = [{k: v for k, v in e.items() if k not in ("turn", "own", "group", "slot")}
                    for e in slide.document["elements"]]
        slide.document = {k: v for k, v in slide.document.items() if k not in ("onward", "notes")}
        slide.document["elements"] = elements
        slide.save()
    call_command("migrate", verbosity=0)
    after = opened(mika, course)
    assert after["course"]["format"] == FORMAT and after["course"]["styles"] == []
    assert after["course"]["slides"] == before["course"]["slides"]
    assert after["slides"][1]["slide"]["elements"][0]["turn"] == 0
    moment = mika("get", f"/courses/{course}/history")[0]["id"]
    assert mika("get", f"/courses/{course}/history/{moment}")["course"]["format"] == FORMAT


def test_the_newest_format_has_its_migration_of_what_is_stored():
    folder = Path(store.__file__).parent / "migrations"
    assert max(folder.glob("0*_format_*.py")).stem.endswith(f"_format_{FORMAT}")


def test_a_short_look_tells_what_has_changed(mika, course):
    now = opened(mika, course)
    versions = mika("get", f"/courses/{course}/versions")
    assert versions["course"] == now["version"]
    assert versions["slides"] == {s["slide"]["id"]: s["version"] for s in now["slides"]}


def test_two_windows_on_one_slide_overwrite_nothing(mika, course):
    slide = opened(mika, course)["slides"][1]["slide"]
    path = f"/courses/{course}/slides/{slide['id']}"
    mika("put", path, {"base": 1, "slide": {**slide, "title": "Mine"}}, status=200)
    answer = mika("put", path, {"base": 1, "slide": {**slide, "title": "Yours"}}, status=409)
    assert answer["theirs"]["slides"][slide["id"]]["title"] == "Mine"
    assert answer["conflicts"] == [{"path": ["slides", slide["id"]], "why": "changed"}]
    assert answer["versions"]["slides"] == {slide["id"]: 2}
    assert "Nothing was overwritten" in answer["message"]
    assert mika("get", path)["slide"]["title"] == "Mine"
    mika("put", path, {"base": 2, "slide": {**slide, "title": "Yours"}}, status=200)


def test_settings_have_versions_too_and_keep_their_numbers(mika, course):
    now = opened(mika, course)
    body = {"base": now["version"], "course": {**now["course"], "title": "A"}}
    mika("put", f"/courses/{course}", body, status=200)
    answer = mika("put", f"/courses/{course}", body, status=409)
    assert answer["theirs"]["course"]["title"] == "A"
    assert answer["versions"]["course"] == now["version"] + 1
    mika.job("post", f"/courses/{course}/packages", {"kind": "web"})
    numbers = opened(mika, course)["course"]["remembered"]
    assert len(numbers["slides"]) == 3
    now = opened(mika, course)
    forged = {**now["course"], "remembered": {"slides": []}}
    mika("put", f"/courses/{course}", {"base": now["version"], "course": forged}, status=200)
    assert opened(mika, course)["course"]["remembered"] == numbers


@pytest.mark.parametrize("change", [
    lambda s: s["elements"][0].update(x=1e300),
    lambda s: s["elements"][0].update(x="left"),
    lambda s: s["elements"][0].update(id="../x"),
    lambda s: s["elements"].append(s["elements"][0]),
    lambda s: s.update(surprise=1),
    lambda s: s["elements"][0]["style"].update(fill="red;}body{display:none"),
    lambda s: s.update(title="x" * 10_000),
    lambda s: s["questions"][0].update(prompt="missing0"),
])
def test_bad_slides_are_refused_and_nothing_changes(mika, course, change):
    now = opened(mika, course)["slides"][1]
    slide = json.loads(json.dumps(now["slide"]))
    change(slide)
    body = {"base": now["version"], "slide": slide}
    path = f"/courses/{course}/slides/{now['slide']['id']}"
    answer = mika("put", path, body, status=422)
    assert answer["message"].startswith("Nothing was changed: ")
    assert mika("get", path) == now


def test_a_course_cannot_list_slides_it_has_not(mika, course):
    now = opened(mika, course)
    settings = {**now["course"], "slides": [*now["course"]["slides"], "nowhere0"]}
    body = {"base": now["version"], "course": settings}
    assert mika("put", f"/courses/{course}", body, status=422)["code"] == "no_such_slide"


def test_authors_see_only_what_is_theirs(mika, other, course):
    package = mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12"})["package"]
    put_in = mika.job("post", "/practice/packages/from-publication",
                      {"publication": package})["practice_package"]
    slide = opened(mika, course)["course"]["slides"][0]
    assert other("get", "/courses") == [] and other("get", "/practice/packages") == []
    for method, path, body in (
        ("get", f"/courses/{course}", None), ("delete", f"/courses/{course}", None),
        ("post", f"/courses/{course}/duplicate", None),
        ("post", f"/courses/{course}/archive", None), ("get", f"/courses/{course}/check", None),
        ("get", f"/courses/{course}/program", None),
        ("get", f"/courses/{course}/slides/{slide}", None),
        ("get", f"/courses/{course}/slides/{slide}/states", None),
        ("get", f"/courses/{course}/history", None), ("get", f"/courses/{course}/versions", None),
        ("get", f"/courses/{course}/media-use", None),
        ("post", f"/courses/{course}/media/from", {"drawing": "icon-boot"}),
        ("post", f"/edits/find/{course}", {"what": "texts", "text": "a"}),
        ("post", f"/edits/resize/{course}", {"w": 720, "h": 1280}),
        ("post", f"/courses/{course}/preview", None),
        ("post", f"/courses/{course}/packages", {"kind": "web"}),
        ("get", f"/packages/{package}", None), ("get", f"/packages/{package}/file", None),
        ("post", "/practice/packages/from-publication", {"publication": package}),
        ("get", f"/practice/packages/{put_in}", None),
        ("delete", f"/practice/packages/{put_in}", None),
        ("post", "/practice/launches", {"package": put_in, "learner": "bo-lindqvale"}),
        ("get", f"/practice/packages/{put_in}/learners/bo-lindqvale/calls?attempt=1", None),
    ):
        other(method, path, body, status=404)
    assert Course.objects.get(slug=course).deleted is None


def test_pictures_are_taken_by_content_and_served_elsewhere(mika, course, learner):
    answer = mika("post", f"/courses/{course}/media", file=("photo.exe", png()), status=201)
    assert answer["file"]["type"] == "image/png"
    path = answer["url"].split("//")[1].split("/", 1)[1]
    assert answer["url"].startswith("http://127.0.0.1")
    served = learner.get(f"/{path}")
    assert served.status_code == 200 and served["Content-Type"] == "image/png"
    assert "sandbox" in served["Content-Security-Policy"]
    assert learner.get(f"/{path}".replace("/media/", "/media/0")).status_code == 404
    on_app = mika.client.get(f"/{path}")
    assert not on_app.get("Content-Type", "").startswith("image/")


@pytest.mark.parametrize("file", [
    ("a.png", b"MZ not a picture"), ("a.svg", b"<svg"), ("a.png", b""), ("a.jpg", png()[:40]),
])
def test_bad_uploads_are_refused_and_leave_nothing(mika, course, file):
    before = opened(mika, course)
    answer = mika("post", f"/courses/{course}/media", file=file, status=422)
    assert answer["message"].endswith("The course is as it was.")
    assert opened(mika, course) == before and not default_storage.exists("media")


def test_oversized_uploads_are_refused_before_they_are_read(mika, course, monkeypatch):
    for module, name, path in (
        (taking, "LARGEST", f"/courses/{course}/media"),
        (courses_api, "LARGEST_ARCHIVE", "/courses/import"),
        (practice_api, "LARGEST_PACKAGE", "/practice/packages"),
    ):
        monkeypatch.setattr(module, name, 1_000)
        answer = mika("post", path, file=("big", bytes(1_001)), status=413)
        assert "larger than" in answer["message"]


def test_archives_go_round_over_the_api(mika, course):
    answer = mika("post", f"/courses/{course}/media", file=("p.png", png()), status=201)
    now = opened(mika, course)
    settings = {**now["course"], "media": [answer["file"]]}
    mika("put", f"/courses/{course}", {"base": now["version"], "course": settings}, status=200)
    archive = mika.archive(course)
    taken = mika.job("post", "/courses/import", file=("c.zigzag", archive))
    first, second = opened(mika, course), opened(mika, taken["course"])
    assert second["course"] == first["course"]
    assert [s["slide"] for s in second["slides"]] == [s["slide"] for s in first["slides"]]


def test_bad_archives_are_refused_and_leave_nothing(mika, course):
    good = mika.archive(course)
    counts = Course.objects.count(), Revision.objects.count()
    for data in (b"", b"junk", zipped({"../course.json": b"{}"}), changed(good, course_json=b"{"),
                 zipped({"zeros": bytes(30_000_000)})):
        answer = mika.job("post", "/courses/import", file=("c.zigzag", data))
        assert answer["message"].endswith("Nothing was taken in.")
    assert (Course.objects.count(), Revision.objects.count()) == counts


def test_an_archive_cannot_smuggle_in_a_drawing_that_acts(mika, course):
    evil = b'<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
    sha256 = hashlib.sha256(evil).hexdigest()
    archive = mika.archive(course)
    files = dict(read_zip(archive))
    settings = json.loads(files["course.json"])
    settings["media"] = [{"id": "evil00", "name": "x.svg", "type": "image/svg+xml",
                          "sha256": sha256, "size": len(evil)}]
    files["course.json"] = json.dumps(settings).encode()
    files[f"media/{sha256}.svg"] = evil
    answer = mika.job("post", "/courses/import", file=("c.zigzag", zipped(files)))
    assert "harmless" in answer["message"] and not default_storage.exists("media")


def test_the_shelf_comes_in_pages_and_asks_the_same_however_long_it_is(
        mika, django_assert_max_num_queries):
    slugs = [mika("post", "/courses", {"title": f"Course {n}"}, status=201)["slug"]
             for n in range(30)][::-1]
    with django_assert_max_num_queries(6):
        first = mika("get", "/courses", status=200)
    second = mika("get", f"/courses?start={len(first)}", status=200)
    assert len(first) == 24 and [card["slug"] for card in [*first, *second]] == slugs
    assert all(card["first_slide"] for card in first)
    assert mika("get", "/courses?start=30", status=200) == []
    mika("get", "/courses?most=0", status=422)
