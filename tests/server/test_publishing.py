"""Checking, publishing and running courses without a browser, and by commands."""

import io
import json

import pytest
from django.core.files.storage import default_storage
from django.core.management import CommandError, call_command
from zigzag_core.packaging import incremental
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.program import Program
from zigzag_server.courses.models import Course
from zigzag_server.publishing import programs
from zigzag_server.publishing.models import KeptSlide, Publication


def test_a_course_is_made_published_and_launched_without_a_browser(mika, course, learner):
    check = mika("get", f"/courses/{course}/check", status=200)
    assert check["questions"] == 2
    tracking = mika("get", f"/courses/{course}/tracking", status=200)
    limits = {room["kind"]: room["limit"] for room in tracking["rooms"]}
    assert limits == {"scorm12": 4_096, "scorm2004": 64_000, "scorm2004_3": 4_000}
    assert 0 < tracking["progress"] < min(limits.values())
    assert tracking["promise"][0] == "The course is completed when all slides were seen."
    made = mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12"})["package"]
    contents = mika("get", f"/packages/{made}")
    assert {"imsmanifest.xml", "index.html", "program.js"} <= {f["path"] for f in contents["files"]}
    download = mika("get", f"/packages/{made}/file")
    assert "attachment" in download["Content-Disposition"]
    assert "imsmanifest.xml" in read_zip(b"".join(download.streaming_content))
    put_in = mika.job("post", "/practice/packages/from-publication", {"publication": made})
    launch = mika("post", "/practice/launches", {"package": put_in["practice_package"],
                                                 "learner": "ines-tarrow"}, status=201)
    path = launch["url"].split("127.0.0.1:8000")[1]
    assert learner.get(path).status_code == 200
    token = path.split("/")[2]
    page = learner.get(f"/run/{token}/index.html")
    assert b"program.js" in b"".join(page.streaming_content)
    assert "sandbox" in page["Content-Security-Policy"]


def test_the_program_is_what_the_engines_read(mika, course):
    program = Program.model_validate(mika("get", f"/courses/{course}/program", status=200))
    assert len(program.slides) == 3 and len(program.questions) == 2


def test_the_preview_runs_on_the_content_origin_for_those_who_were_given_it(mika, course, learner):
    path = mika("post", f"/courses/{course}/preview")["url"].split("127.0.0.1:8000")[1]
    page = learner.get(path)
    assert page.status_code == 200 and b"player-rehearse.js" in page.content
    assert b"zigzagProgram" in learner.get(f"{path}program.js").content
    assert learner.get(path.replace("/preview/", "/preview/x")).status_code == 404


def test_a_course_without_slides_is_not_published(mika, course, tmp_path):
    now = mika("get", f"/courses/{course}")
    body = {"base": now["version"], "course": {**now["course"], "slides": []}}
    mika("put", f"/courses/{course}", body, status=200)
    answer = mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12"})
    assert "Add a slide in Build" in answer["message"]
    assert mika("get", f"/courses/{course}/packages") == []
    assert [f["code"] for f in mika("get", f"/courses/{course}/check")["findings"]] == ["no_slides"]
    with pytest.raises(CommandError, match="no slides"):
        call_command("publish", course, kind="web", out=str(tmp_path / "x.zip"))
    assert not list(tmp_path.glob("x.zip*"))


def test_commands_list_publish_export_import_and_generate(mika, course, tmp_path):
    out = io.StringIO()
    call_command("courses", stdout=out)
    assert out.getvalue() == f"{course}\tNight Rules\t3 slides\n"
    package, archive = tmp_path / "p.zip", tmp_path / "c.zigzag"
    call_command("publish", course, kind="scorm12", out=str(package), stdout=io.StringIO())
    assert "imsmanifest.xml" in read_zip(package.read_bytes())
    call_command("export", course, out=str(archive), stdout=io.StringIO())
    out = io.StringIO()
    call_command("import", str(archive), stdout=out)
    copy = Course.objects.get(slug=out.getvalue().strip())
    assert copy.document == Course.objects.get(slug=course).document
    out = io.StringIO()
    call_command("generate", slides=12, questions=5, seed=2, stdout=out)
    generated = Course.objects.get(slug=out.getvalue().strip())
    assert len(generated.document["slides"]) == 12
    assert mika("get", f"/courses/{generated.slug}/check")["questions"] == 5


@pytest.mark.parametrize(("command", "line"), [
    (("publish", "nothing", "--as", "web", "--out", "x.zip"), "There is no course"),
    (("export", "nothing", "--out", "x"), "There is no course"),
    (("import", "/nowhere/x.zigzag"), "No such file"),
    (("generate", "--slides", "3", "--questions", "61"), "at most 60 questions"),
    (("generate", "--slides", "0"), "from 1 to 5000"),
])
def test_commands_fail_with_one_clear_line(mika, command, line):
    with pytest.raises(CommandError, match=line) as failure:
        call_command(*command)
    assert "\n" not in str(failure.value)


def test_a_failed_export_leaves_nothing_half_written(mika, course, tmp_path):
    target = tmp_path / "missing" / "c.zigzag"
    with pytest.raises(CommandError, match="cannot be written"):
        call_command("export", course, out=str(target))
    assert list(tmp_path.glob("**/*.zigzag*")) == []


def test_a_preview_is_the_course_as_it_is_now(mika, course, learner):
    path = mika("post", f"/courses/{course}/preview")["url"].split("127.0.0.1:8000")[1]
    assert b"The oven" not in learner.get(f"{path}program.js").content
    mika("patch", f"/courses/{course}", {"title": "The oven"})
    assert b"The oven" in learner.get(f"{path}program.js").content
    assert mika("get", f"/courses/{course}/program")["title"] == "The oven"


def test_slides_are_compiled_once_and_again_where_they_have_changed(mika, course, compiled_slides):
    mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12"})
    assert len(compiled_slides) == 3
    program = mika("get", f"/courses/{course}/program", status=200)
    assert len(compiled_slides) == 3
    slide = mika("get", f"/courses/{course}")["slides"][1]
    body = {"base": slide["version"], "slide": {**slide["slide"], "transcript": "Read out"}}
    mika("put", f"/courses/{course}/slides/{slide['slide']['id']}", body, status=200)
    again = mika("get", f"/courses/{course}/program", status=200)
    assert compiled_slides[3:] == [slide["slide"]["id"]]
    assert again["slides"][1].pop("transcript") == "Read out" and again == program


def test_a_large_course_is_compiled_by_a_job_before_it_is_rehearsed(
        mika, course, compiled_slides, monkeypatch):
    monkeypatch.setattr(programs, "AT_ONCE", 2)
    for path, method in (("program", "get"), ("preview", "post")):
        KeptSlide.objects.all().delete()
        programs.forget()
        compiled_slides.clear()
        asked = mika(method, f"/courses/{course}/{path}", status=202)
        assert asked["title"] == "Compiling the course" and len(compiled_slides) == 3
        mika(method, f"/courses/{course}/{path}", status=200)
        assert len(compiled_slides) == 3


def test_a_course_that_cannot_be_compiled_says_so_and_is_tried_again(mika, course, monkeypatch):
    monkeypatch.setattr(programs, "AT_ONCE", 2)
    with monkeypatch.context() as broken:
        broken.setattr(incremental, "compiled_slide", lambda slide, scope: 1 / 0)
        failed = mika("get", f"/courses/{course}/program", status=503)
        assert "error in Zigzag" in failed["message"]
    mika("get", f"/courses/{course}/program", status=202)
    mika("get", f"/courses/{course}/program", status=200)


@pytest.fixture
def compiled_slides(monkeypatch):
    """The slides that are compiled from now on, in order."""
    seen, compile_one = [], incremental.compiled_slide

    def watched(slide, scope):
        seen.append(slide.id)
        return compile_one(slide, scope)

    monkeypatch.setattr(incremental, "compiled_slide", watched)
    return seen


def test_a_preview_that_is_open_runs_whatever_was_saved_since(mika, course, learner, monkeypatch):
    path = mika("post", f"/courses/{course}/preview")["url"].split("127.0.0.1:8000")[1]
    monkeypatch.setattr(programs, "AT_ONCE", 2)
    KeptSlide.objects.all().delete()
    programs.forget()
    assert b"zigzagProgram" in learner.get(f"{path}program.js").content


def test_a_course_without_slides_is_not_rehearsed(mika, course):
    now = mika("get", f"/courses/{course}")
    body = {"base": now["version"], "course": {**now["course"], "slides": []}}
    mika("put", f"/courses/{course}", body, status=200)
    assert "Add a slide" in mika("post", f"/courses/{course}/preview", status=422)["message"]


def test_what_an_lms_will_be_told_stands_beside_what_was_published(mika, course):
    told = mika("get", f"/courses/{course}/told", status=200)
    assert told["published"] is None
    ends = {one["key"]: one for one in told["endings"]}
    assert ends["right"]["told"]["status"] == "completed" and ends["right"]["before"] is None
    mika.job("post", f"/courses/{course}/packages", {"kind": "cmi5"})
    now = mika("get", f"/courses/{course}")
    rule = {**now["course"]["completion"], "passing": True}
    mika("put", f"/courses/{course}", {
        "base": now["version"], "course": {**now["course"], "completion": rule}}, status=200)
    told = mika("get", f"/courses/{course}/told", status=200)
    assert told["published"]
    ends = {one["key"]: one for one in told["endings"]}
    assert ends["right"]["told"]["status"] == "passed"
    assert ends["right"]["before"]["status"] == "completed"
    out = io.StringIO()
    call_command("told", course, stdout=out)
    assert "published last: completed" in out.getvalue()
    out = io.StringIO()
    call_command("told", course, json=True, stdout=out)
    found = json.loads(out.getvalue())
    assert found["compared"] and found["endings"] == told["endings"]


def test_what_another_zigzag_has_published_is_not_compared_with(mika, course):
    mika.job("post", f"/courses/{course}/packages", {"kind": "web"})
    made = Publication.objects.get()
    with default_storage.open(made.file, "wb") as file:
        file.write(b"no package")
    told = mika("get", f"/courses/{course}/told", status=200)
    assert told["published"] is None and told["endings"]


def test_publications_are_numbered_with_a_note_and_what_has_changed(mika, course):
    def published(**more):
        mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12", **more})
        return mika("get", f"/courses/{course}/packages", status=200)[0]

    first = published(note=" For the pilot group ")
    assert (first["number"], first["note"], first["changes"]) == (1, "For the pilot group", [])
    now = mika("get", f"/courses/{course}")
    slide = now["slides"][1]
    body = {"base": slide["version"], "slide": {**slide["slide"], "title": "The second bell"}}
    mika("put", f"/courses/{course}/slides/{slide['slide']['id']}", body, status=200)
    mika("put", f"/courses/{course}", {
        "base": now["version"], "course": {**now["course"], "pass_mark": 55}}, status=200)
    second = published()
    assert (second["number"], second["note"]) == (2, "")
    assert second["changes"] == [
        "Other looks or actions on 1 slide: “The second bell”.", "Settings: pass mark."]
    assert published(note="Again")["changes"] == []
    Publication.objects.filter(number=3).update(file="packages/gone.zip")
    assert published(note="Once more")["changes"] == []
    mika("post", f"/courses/{course}/packages", {"kind": "web", "note": "x" * 1_001}, status=422)


def test_a_storyboard_is_written_for_people_without_an_lms(mika, other, course, tmp_path):
    got = mika("get", f"/courses/{course}/storyboard.csv", status=200)
    assert got.content.decode("utf-8-sig").startswith("No.,Section,Slide,")
    assert mika("get", f"/courses/{course}/storyboard.xlsx", status=200).content[:2] == b"PK"
    mika("get", f"/courses/{course}/storyboard.pdf", status=422)
    other("get", f"/courses/{course}/storyboard.csv", status=404)
    out = io.StringIO()
    call_command("storyboard", course, form="xlsx", out=tmp_path / "s.xlsx", stdout=out)
    assert out.getvalue() == "3 slides written.\n"
