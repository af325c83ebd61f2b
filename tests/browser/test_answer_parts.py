"""What answers can be made of: videos, places on a video, things with a look of their own."""

import hashlib

import pytest
from selenium.webdriver import ActionChains
from zigzag_core.course import Area, Course, CourseDocument, MediaFile, StylePatch, Video, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.editing.questions.making import question_from

from tests.core.samples import fresh_ids
from tests.core.test_media import video
from tests.core.test_questions import slide_with

from .packages import imported


@pytest.fixture
def slug(server):
    """Videos to choose from, places on a video, things that look otherwise on their way."""
    fresh, data = fresh_ids(6), video("webm", "libvpx-vp9")
    sha = hashlib.sha256(data).hexdigest()
    file = MediaFile(id="videofile", name="Video", type="video/webm", sha256=sha, size=len(data),
                     w=320, h=180, duration=2_000)
    common = {"media": file.id, "w": 320, "h": 180, "y": 200, "controls": False}
    videos = tuple(Video(id=f"video{n}one", name=f"Video {n}", alt=f"Video {n}", x=80 + 400 * n,
                        **common) for n in range(2))
    choice = blank_slide("Videos", fresh).model_copy(update={"elements": videos})
    choice, _ = question_from(choice, [e.id for e in videos], "single_choice", fresh)
    ground = videos[0].model_copy(update={"id": "ground", "name": "Ground"})
    place = Area(id="placeone", name="The lamp", alt="The lamp", x=100, y=220, w=60, h=60)
    spots = blank_slide("Places", fresh).model_copy(update={"elements": (ground, place)})
    spots, _ = question_from(spots, ["ground", "placeone"], "hotspot", fresh)
    drag = slide_with("drag_to_target")
    moved = {i.element for i in drag.questions[0].items}
    drag = drag.model_copy(update={"elements": tuple(
        e.model_copy(update={"looks": {"dragged": StylePatch(text=rich("On its way"))},
                             "own": (*e.own, "looks")}) if e.id in moved else e
        for e in drag.elements), "questions": tuple(asked.model_copy(update={
            "after": "again", "again_from": choice.id, "attempts": 1})
            for asked in drag.questions)})
    slides = (choice, spots, drag)
    document = CourseDocument(slides=slides, course=Course(
        id="course", title="Parts", slides=tuple(s.id for s in slides), media=(file,)))
    return imported(server, document, {sha: data})


def test_videos_and_places_on_a_video_are_answers_and_things_change_on_their_way(page, slug):
    page.go("/")
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.until(lambda: len(page.all("label.zz-choice video")) == 2)
    page.all("label.zz-choice .zz-mark")[1].click()
    assert page.find("input[aria-label='Video 1']").is_selected()
    # Beside the sign that plays it.
    beside = ActionChains(page.browser).move_to_element_with_offset
    beside(page.all("label.zz-choice video")[0], 60, -35).click().perform()
    page.until(lambda: page.find("input[aria-label='Video 0']").is_selected())
    page.press("Next")
    ground = page.find("[data-element=ground] video")
    beside(ground, 60, 35).click().perform()
    page.click("[aria-label='The lamp']")
    page.until(lambda: len(page.all(".zz-pin")) == 2)
    assert ground.get_property("paused"), "a click that marks does not play"
    page.press("Next")
    thing = page.find("[aria-roledescription=movable][aria-label='Belongs nowhere']")
    ActionChains(page.browser).click_and_hold(thing).move_by_offset(-40, -40).move_by_offset(
        -40, -40).perform()
    page.see("On its way")
    assert len(page.all(".zz-target.zz-takes")) == 2
    ActionChains(page.browser).release().perform()
    page.find("[aria-label='Belongs nowhere, on Goes there']")
    assert "On its way" not in page.find("main").text
    page.press("Submit")
    page.press("Continue")
    page.see("Slide 1 of 3")


def test_a_line_pulled_on_the_slide_says_what_belongs_where(page, slug):
    page.go("/")
    page.go(f"/courses/{slug}/build")
    page.stop(2)
    page.row("Item 4").click()
    page.find("section[aria-label^='Judges']")
    assert page.find("[data-pairs]").get_attribute("data-pairs") == "3"
    box = next(h for h in page.all("[data-stage] [data-element]")
               if "Goes there" in h.text)
    ActionChains(page.browser).drag_and_drop(page.find("[data-pull]"), box).perform()
    page.until(lambda: page.find("[data-pairs]").get_attribute("data-pairs") == "4")
    page.open("Table of items and targets")
    page.find("button[aria-label='Belongs nowhere belongs on Goes there'][aria-pressed=true]")
