"""Of a course that cannot be read, all is left but what is wrong."""

import json

import pytest
from zigzag_core.course.salvage import salvaged
from zigzag_core.packaging.archive import import_archive

from tests.demo_courses import hut_warden_basics

from .packing import archived

HUT, MEDIA = hut_warden_basics()
SETTINGS = HUT.course.model_dump(mode="json")
SLIDES = {slide.id: slide.model_dump(mode="json") for slide in HUT.slides}
FIRST = HUT.course.slides[0]


def texts(slides=SLIDES, settings=SETTINGS):
    return json.dumps(settings), "Hut", {name: json.dumps(slide) for name, slide in slides.items()}


def test_of_a_sound_course_all_is_left():
    found = salvaged(*texts())
    assert found.document == HUT and not found.left_out


def changed(slide, change):
    slide = json.loads(json.dumps(slide))
    change(slide)
    return slide


def _endless(slide):
    button = next(e for e in slide["elements"] if e["kind"] == "button" and e["rules"])
    button["rules"][0]["condition"] = float("inf")


def _half(slide):
    slide["elements"][0]["name"] = "\ud800"


@pytest.mark.parametrize(("change", "left_out"), [
    (_endless, "rules"), (_half, "elements › 0"), (lambda s: s.update(notes=7), "notes"),
    (lambda s: s.update(other=1), "other"),
])
def test_what_is_wrong_on_a_slide_is_left_out_and_named(change, left_out):
    name = next(n for n, s in SLIDES.items()
                if any(e["kind"] == "button" and e["rules"] for e in s["elements"]))
    found = salvaged(*texts({**SLIDES, name: changed(SLIDES[name], change)}))
    assert found.document.course.slides == HUT.course.slides
    assert len(found.left_out) == 1
    assert name in found.left_out[0] and left_out in found.left_out[0]
    archive = archived(found.document, MEDIA)
    assert import_archive(archive)[0] == found.document


@pytest.mark.parametrize("text", ["", "{", "[]", "null", "{}", '{"id": 1}'])
def test_a_slide_that_is_none_and_settings_that_are_none_are_left_out(text):
    settings, title, slides = texts()
    found = salvaged(settings, title, {**slides, FIRST: text})
    assert found.document.course.slides == HUT.course.slides[1:]
    assert f"slide {FIRST}" in found.left_out
    found = salvaged(text, title, slides)
    assert "settings" in found.left_out and found.document.course.title == "Hut"
    assert set(found.document.course.slides) == set(SLIDES)
