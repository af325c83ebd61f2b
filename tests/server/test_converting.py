"""Videos that browsers do not play, and other sizes: converted by jobs, with the originals kept."""

import hashlib
import io
from datetime import timedelta

import pytest
from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from django.utils import timezone
from zigzag_core.media.playing import LARGEST_PLAYING
from zigzag_core.media.transcoding import most_bytes
from zigzag_server.courses import converting, holding
from zigzag_server.courses.converting import first_quality
from zigzag_server.courses.models import HeldFile, Original
from zigzag_server.upkeep.cleaning import clean

from tests.core.test_media import picture as picture_of
from tests.core.test_media import video
from tests.core.test_transcoding import film

from .test_media import opened, path_of, sent


def converted(mika, course, name, data):
    """The file that comes of one that browsers do not play."""
    asked = mika("post", f"/courses/{course}/media", file=(name, data))
    goes_on = mika("get", f"/jobs/{asked['id']}")["result"]["next"]
    job = mika("get", f"/jobs/{goes_on}")
    assert job["kind"] == "convert"
    return job["problem"] or job["result"]["media"]


def put_in(mika, course, *files):
    """Let the course have these files."""
    stored = opened(mika, course)
    settings = {**stored["course"], "media": [*stored["course"]["media"], *files]}
    mika("put", f"/courses/{course}", {
        "base": stored["version"], "course": settings}, status=200)


def test_what_browsers_do_not_play_is_converted(mika, learner, course):
    data = film("avi", sound="pcm_s16le")
    media = converted(mika, course, "Kitchen tour.AVI", data)
    file = media["file"]
    assert (file["name"], file["type"]) == ("Kitchen tour.mp4", "video/mp4")
    assert abs(file["loudness"] + 18) < 0.5
    shown = b"".join(learner.get("/" + path_of(media["url"])).streaming_content)
    assert shown[4:8] == b"ftyp"
    put_in(mika, course, file)
    sizes = mika("get", f"/courses/{course}/media/{file['id']}/sizes")
    assert sizes["now"] == "good" and sizes["original"] == len(data) and not sizes["plays"]
    assert [one["quality"] for one in sizes["choices"]] == ["small", "good"]
    refused = mika("post", f"/courses/{course}/media/{file['id']}/convert",
                   {"quality": "original"}, status=422)
    assert refused["code"] == "no_original"


def test_the_same_file_again_is_there_at_once(mika, course):
    data = film("avi", sound="pcm_s16le")
    first = converted(mika, course, "tour.avi", data)
    again = sent(mika, course, "again.avi", data)
    assert again["file"]["sha256"] == first["file"]["sha256"]
    assert again["file"]["name"] == "again.mp4"


def test_a_video_is_made_small_and_comes_back_as_it_was(mika, course):
    before = sent(mika, course, "tour.mp4", film("mp4", "libx264", "aac", size=(1_280, 720)))
    captions = [{"since": 0, "until": 900, "text": "Boots off, please."}]
    put_in(mika, course, {**before["file"], "captions": captions, "tags": ["tour"]})
    address = f"/courses/{course}/media/{before['file']['id']}"
    assert mika("get", f"{address}/sizes")["now"] == "original"
    job = mika("post", f"{address}/convert", {"quality": "small"}, status=202)
    small = mika("get", f"/jobs/{job['id']}")["result"]["media"]["file"]
    assert (small["w"], small["h"]) == (854, 480) and small["id"] == before["file"]["id"]
    assert small["captions"] == captions and small["tags"] == ["tour"]
    assert small["sha256"] != before["file"]["sha256"]

    stored = opened(mika, course)
    others = [one for one in stored["course"]["media"] if one["id"] != small["id"]]
    mika("put", f"/courses/{course}", {"base": stored["version"], "course": {
        **stored["course"], "media": [*others, small]}}, status=200)
    sizes = mika("get", f"{address}/sizes")
    assert sizes["now"] == "small" and sizes["plays"]
    back = mika("post", f"{address}/convert", {"quality": "original"}, status=200)
    assert back["file"]["sha256"] == before["file"]["sha256"]
    again = mika("post", f"{address}/convert", {"quality": "small"}, status=200)
    assert again["file"] == small, "what was made before is there at once"
    job = mika("post", f"{address}/convert", {"quality": "good"}, status=202)
    good = mika("get", f"/jobs/{job['id']}")["result"]["media"]["file"]
    assert (good["w"], good["h"]) == (1_280, 720), "made from the original, not from the small one"


def test_a_frame_becomes_a_picture_of_the_course(mika, other, learner, course):
    media = sent(mika, course, "Kitchen tour.mp4", video())
    put_in(mika, course, media["file"])
    address = f"/courses/{course}/media/{media['file']['id']}/still"
    taken = mika("post", address, {"at": 1_500}, status=201)
    assert taken["file"]["name"] == "Kitchen tour 0-01.jpg"
    assert (taken["file"]["type"], taken["file"]["w"]) == ("image/jpeg", 320)
    assert learner.get("/" + path_of(taken["url"])).status_code == 200
    other("post", address, {"at": 0}, status=404)
    mika("post", address, {"at": -1}, status=422)
    picture = sent(mika, course, "rope.png", picture_of("PNG"))["file"]
    put_in(mika, course, picture)
    refused = mika("post", f"/courses/{course}/media/{picture['id']}/still", {"at": 0}, status=422)
    assert "rope.png" in refused["message"]


def test_a_course_tells_how_loud_its_sound_is(mika, other, course):
    media = sent(mika, course, "Bell.mp4", film("mp4", "libx264", "aac", level=0.5))["file"]
    put_in(mika, course, media)
    address = f"/courses/{course}/media/{media['id']}/levels"
    found = mika("get", address)
    assert 0 < len(found["heights"]) <= 600 and max(found["heights"]) > 50
    assert found["since"] == 0 and abs(found["until"] - media["duration"]) <= 100
    other("get", address, status=404)
    silent = sent(mika, course, "Kitchen tour.mp4", video())["file"]
    put_in(mika, course, silent)
    refused = mika("get", f"/courses/{course}/media/{silent['id']}/levels", status=422)
    assert "“Kitchen tour.mp4”: The file holds no sound." in refused["message"]


def test_nobody_gets_the_originals_of_others(mika, other, course):
    before = sent(mika, course, "tour.mp4", video())
    put_in(mika, course, before["file"])
    address = f"/courses/{course}/media/{before['file']['id']}"
    other("get", f"{address}/sizes", status=404)
    other("post", f"{address}/convert", {"quality": "small"}, status=404)
    mika("post", f"{address}/convert", {"quality": "huge"}, status=422)


def test_what_can_be_read_of_a_damaged_film_is_kept(mika, course):
    file = converted(mika, course, "storm.mkv", film()[:9_000] + b"\x07" * 90_000)["file"]
    assert 300 < file["duration"] < 1_500 and file["name"] == "storm.mp4"


def test_a_film_that_cannot_be_converted_is_refused_by_name(mika, course):
    owner, data = User.objects.get(username="mika"), b"\x1aE\xdf\xa3" + b"\x01" * 3_000
    sha256 = hashlib.sha256(data).hexdigest()
    holding.keep(owner, sha256, io.BytesIO(data))
    job = converting.begin(owner, sha256, "good", None, {"name": "storm.mkv"})
    problem = mika("get", f"/jobs/{job.pk}")["problem"]
    assert problem["message"].startswith("“storm.mkv”: The video or audio is damaged")
    assert problem["message"].endswith("The course is as it was.")


def test_originals_stay_as_long_as_what_was_made_of_them(mika, course, db):
    media = converted(mika, course, "tour.avi", film("avi", sound="pcm_s16le"))
    put_in(mika, course, media["file"])
    original = Original.objects.get().sha256
    later = timezone.now() + timedelta(days=3)
    clean(later)
    assert default_storage.exists(f"media/{original[:2]}/{original}")
    stored = opened(mika, course)
    mika("put", f"/courses/{course}", {"base": stored["version"], "course": {
        **stored["course"], "media": []}}, status=200)
    clean(timezone.now() + timedelta(days=400))
    assert not default_storage.exists(f"media/{original[:2]}/{original}")
    assert not Original.objects.exists() and not HeldFile.objects.filter(sha256=original).exists()


@pytest.mark.django_db
def test_a_film_for_the_library_is_converted_too(mika):
    asked = mika("post", "/library", file=("tour.avi", film("avi", sound="pcm_s16le")))
    job = mika("get", f"/jobs/{mika('get', '/jobs/' + str(asked['id']))['result']['next']}")
    assert job["result"]["shared"] and mika("get", "/library")[0]["file"]["name"] == "tour.mp4"


def test_a_long_film_begins_small_so_that_it_is_not_too_large():
    minute = 60_000
    assert [first_quality(length * minute) for length in (2, 14, 30, 60)] == [
        "good", "good", "small", "small"]
    assert most_bytes("small", 55 * minute, video=True) <= LARGEST_PLAYING
