"""Files of every kind: taken by content, previewed, served in parts, shared, replaced."""

import io

import pytest
from django.core.files.storage import default_storage
from PIL import Image
from zigzag_server.courses.models import SharedFile
from zigzag_server.jobs import starting

from tests.core.test_media import picture, sound, svg, video


def opened(mika, slug):
    return mika("get", f"/courses/{slug}")


def sent(mika, course, name, data):
    """What comes of a file that is sent: the media, or the problem with it."""
    answer = mika("post", f"/courses/{course}/media", file=(name, data))
    if answer.get("kind") == "take":
        ended = mika("get", f"/jobs/{answer['id']}")
        return ended["problem"] or ended["result"]["media"]
    return answer


def path_of(url):
    return url.split("/", 3)[3]


def test_videos_and_audio_are_taken_and_previewed(mika, learner, course):
    taken = sent(mika, course, "clip.txt", video())
    assert taken["file"]["type"] == "video/mp4" and taken["file"]["duration"] >= 900
    shown = learner.get("/" + path_of(taken["preview"]))
    assert shown["Content-Type"] == "image/jpeg" and Image.open(io.BytesIO(shown.content)).size
    heard = sent(mika, course, "hum.mp3", sound())
    assert heard["file"]["type"] == "audio/mpeg" and heard["preview"] == ""


@pytest.mark.parametrize(("name", "data", "reason"), [
    ("video.mp4", video()[:700], "damaged"), ("video.mp4", b"MZ not a video", "not a PNG"),
    ("a.png", b"ID3" + b"\x00" * 3_000, "damaged"),
])
def test_what_lies_about_its_type_is_refused(mika, course, name, data, reason):
    answer = sent(mika, course, name, data)
    assert reason in answer["message"] and name in answer["message"]
    assert answer["message"].endswith("The course is as it was.")


def test_parts_of_a_file_are_served(mika, learner, course):
    data = video()
    address = "/" + path_of(sent(mika, course, "f.mp4", data)["url"])

    def part(value):
        answer = learner.get(address, headers={"range": value})
        return answer.status_code, b"".join(answer.streaming_content) if answer.streaming else b""

    assert part("bytes=0-9") == (206, data[:10])
    assert part("bytes=100-") == (206, data[100:])
    assert part("bytes=-5") == (206, data[-5:])
    assert part("bytes=0-999999999") == (206, data)
    assert part(f"bytes={len(data)}-")[0] == 416
    assert part("bytes=5-2")[0] == 416
    for odd in ("bytes=a-b", "lines=1-2", "bytes=0-1,5-6", "bytes=-"):
        assert part(odd) == (200, data)
    assert learner.get(address)["Accept-Ranges"] == "bytes"


def test_large_pictures_have_a_small_one(mika, learner, course):
    out = io.BytesIO()
    Image.effect_noise((900, 700), 80).save(out, "PNG")
    taken = sent(mika, course, "noise.png", out.getvalue())
    assert taken["preview"] != taken["url"]
    for _ in range(2):
        shown = learner.get("/" + path_of(taken["preview"]))
        assert shown["Content-Type"] == "image/webp"
        assert max(Image.open(io.BytesIO(shown.content)).size) == 480
    key, _, name = path_of(taken["preview"]).rpartition("/")
    assert learner.get(f"/{key}/{'0' * 64}").status_code == 404
    assert name not in ("", None)


def test_shipped_drawings_come_in_the_colours_of_the_theme(mika, learner, course):
    drawings = mika("get", "/drawings")
    assert {d["group"] for d in drawings} == {"people", "backdrops", "icons", "plates"}
    taken = mika("post", f"/courses/{course}/media/from", {"drawing": "icon-boot"}, status=201)
    assert taken["file"]["recoloured"] and taken["file"]["name"] == "Boot"
    drawn = learner.get("/" + path_of(taken["url"])).content
    assert b"#1e5b4b" in drawn and b"var(" not in drawn
    other = taken["url"].replace("1e5b4b", "123456")
    assert b"#123456" in learner.get("/" + path_of(other)).content
    odd = taken["url"].split("?")[0] + "?colours=javascript"
    assert b"var(--primary" in b"".join(learner.get("/" + path_of(odd)).streaming_content)
    mika("post", f"/courses/{course}/media/from", {"drawing": "no-such"}, status=404)


def test_the_library_comes_in_pages_and_is_searched_on_the_server(mika, course):
    kept = mika("post", "/library", file=("rope.png", picture("PNG")), status=201)
    row = SharedFile.objects.get(pk=kept["id"])
    names = [f"Hütte {number}" for number in range(120)]
    SharedFile.objects.bulk_create(SharedFile(
        owner=row.owner, sha256=f"{number:064}",
        document={**row.document, "sha256": f"{number:064}", "name": name,
                  "tags": ["ÖL"] if number % 2 else []})
        for number, name in enumerate(names))

    def listed(query):
        return [one["file"]["name"] for one in mika("get", f"/library?{query}", status=200)]

    assert listed("most=100") == names[:19:-1]
    assert listed("most=100&start=100") == [*names[19::-1], "rope.png"]
    assert listed("search=hÜTTE 7&most=3") == ["Hütte 117", "Hütte 107", "Hütte 97"]
    assert listed("search=öl hütte 11") == [
        f"Hütte {number}" for number in (119, 117, 115, 113, 111, 11)]
    assert listed("search=öl&start=58&most=5") == ["Hütte 3", "Hütte 1"]
    assert listed("search=gone") == []
    assert listed("start=5000") == []
    for wrong in ("most=0", "most=201", "start=-1", "search=" + "x" * 201):
        mika("get", f"/library?{wrong}", status=422)


def test_files_are_shared_between_courses_but_not_between_authors(mika, other, course):
    kept = mika("post", "/library", file=("rope.png", picture("PNG")), status=201)
    again = mika("post", "/library", file=("rope again.png", picture("PNG")), status=201)
    assert kept["id"] == again["id"] and SharedFile.objects.count() == 1
    changed = mika("put", f"/library/{kept['id']}", {"name": "Rope", "tags": ["gear"]}, status=200)
    assert changed["file"]["tags"] == ["gear"]
    taken = mika("post", f"/courses/{course}/media/from", {"shared": kept["id"]}, status=201)
    assert taken["file"]["sha256"] == kept["file"]["sha256"]
    assert taken["file"]["id"] != kept["file"]["id"]
    assert other("get", "/library") == []
    other("put", f"/library/{kept['id']}", {"name": "Mine", "tags": []}, status=404)
    other("delete", f"/library/{kept['id']}", status=404)
    mika("delete", f"/library/{kept['id']}", status=204)
    assert mika("get", "/library") == []


def test_use_is_known_and_a_file_of_the_course_can_be_shared(mika, course):
    taken = sent(mika, course, "drawing.svg", svg('<path d="M0 0H9"/>'))["file"]
    now = opened(mika, course)
    settings = {**now["course"], "media": [taken]}
    mika("put", f"/courses/{course}", {"base": now["version"], "course": settings}, status=200)
    assert mika("get", f"/courses/{course}/media-use") == {taken["id"]: []}
    slide = {**now["slides"][0]["slide"], "background": {"picture": taken["id"]}}
    mika("put", f"/courses/{course}/slides/{slide['id']}", {"base": 1, "slide": slide}, status=200)
    assert mika("get", f"/courses/{course}/media-use") == {taken["id"]: [slide["id"]]}
    mika("post", f"/courses/{course}/media/{taken['id']}/share", status=201)
    assert [f["file"]["name"] for f in mika("get", "/library")] == ["drawing.svg"]
    archive = mika.archive(course)
    made = mika.job("post", "/courses/import", file=("c.zigzag", archive))
    assert mika("get", f"/courses/{made['course']}")["course"]["media"] == [taken]


def test_what_takes_long_to_look_into_is_looked_into_by_a_job(mika, other, course):
    asked = mika("post", f"/courses/{course}/media", file=("clip.mp4", video()), status=202)
    assert asked["title"] == "Looking into the file"
    other("get", f"/jobs/{asked['id']}", status=404)
    noise = io.BytesIO()
    Image.effect_noise((1_600, 1_600), 90).save(noise, "PNG")
    assert mika("post", f"/courses/{course}/media", file=("n.png", noise.getvalue()), status=202)
    assert mika("post", f"/courses/{course}/media", file=("p.png", picture("PNG")), status=201)
    assert not default_storage.listdir("uploads")[1], "what was sent goes with its job"


def test_a_video_is_taken_into_the_library(mika, other):
    made = mika.job("post", "/library", file=("clip.mp4", video()))
    again = mika.job("post", "/library", file=("clip.mp4", video()))
    [kept] = mika("get", "/library")
    assert kept["id"] == made["shared"] == again["shared"]
    assert kept["file"]["type"] == "video/mp4" and other("get", "/library") == []
    assert "damaged" in mika.job("post", "/library", file=("x.mp4", video()[:700]))["message"]


def test_a_job_that_is_stopped_takes_nothing_in(mika, course, settings, monkeypatch):
    settings.JOBS_AT_ONCE = False
    monkeypatch.setattr(starting, "enqueue", lambda job: None)
    asked = mika("post", f"/courses/{course}/media", file=("clip.mp4", video()), status=202)
    assert len(default_storage.listdir("uploads")[1]) == 1
    mika("delete", f"/jobs/{asked['id']}", status=204)
    assert not default_storage.listdir("uploads")[1] and not default_storage.exists("media")
