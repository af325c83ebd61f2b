"""Files as large as a video are copied from place to place, and never in memory as a whole."""

import tracemalloc
import wave
from contextlib import contextmanager

import pytest
from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from zigzag_core.course import Audio
from zigzag_server.courses import files, store
from zigzag_server.courses.importing import take_in_course
from zigzag_server.courses.jobs import export_course
from zigzag_server.courses.models import Course
from zigzag_server.courses.taking import take_in
from zigzag_server.jobs.kinds import silent
from zigzag_server.practice.models import Package
from zigzag_server.practice.packages import put_in
from zigzag_server.publishing.models import Publication
from zigzag_server.publishing.packaging import publish

from tests.core.making import course, slide

pytestmark = pytest.mark.django_db

SECONDS = 400
SIZE = 44 + SECONDS * 44_100 * 2
MOST = 8_000_000


@pytest.fixture
def owner():
    return User.objects.create_user("mika")


@contextmanager
def little_memory(step):
    tracemalloc.start()
    yield
    _, most = tracemalloc.get_traced_memory()
    tracemalloc.stop()
    assert most < MOST, f"{step} took {most:,} bytes at once"


def test_a_long_sound_is_never_in_memory_as_a_whole(owner, tmp_path):
    with wave.open(str(tmp_path / "wind.wav"), "wb") as sound:
        sound.setparams((1, 2, 44_100, 0, "NONE", ""))
        for _ in range(SECONDS):
            sound.writeframes(bytes(44_100 * 2))
    with little_memory("taking it in"), (tmp_path / "wind.wav").open("rb") as content:
        file = take_in(owner, "wind.wav", content)
    assert (file.size, file.duration, files.is_whole(file.sha256)) == (SIZE, SECONDS * 1_000, True)
    sound = Audio(id="soundone", name="Wind", media=file.id)
    row = store.create(owner, course(slide("slidea", sound), media=(file,)))
    with little_memory("exporting"):
        made = export_course(owner, silent, row.pk)()
    files.remove(file.sha256)
    with little_memory("importing"), default_storage.open(made["path"]) as archive:
        take_in_course(owner, silent, archive)()
    assert files.is_whole(file.sha256) and Course.objects.count() == 2
    with little_memory("publishing"):
        publish(owner, silent, row, "scorm12")()
    with little_memory("putting it in"), default_storage.open(Publication.objects.get().file) as it:
        put_in(owner, silent, it)()
    place = f"{Package.objects.get().folder}/media/{file.sha256}.wav"
    assert default_storage.size(place) == SIZE
