"""Leaving a real package and coming back to it in the practice LMS."""

import hashlib
import io

import pytest
from zigzag_core.course import Happens, MediaFile, Rule, Video
from zigzag_core.course.document import Completion
from zigzag_core.course.rules.rule import GoTo, LeaveCourse, ShowOrHide, Timer, Wait
from zigzag_core.course.rules.timing import Timing
from zigzag_core.grading.solutions import right_response, wrong_response
from zigzag_core.media.playing import take_playing

from tests.core.making import button, course, slide, text
from tests.core.test_media import video
from tests.core.test_questions import Taking, document, slide_with

from .packages import again, element_of, inside, launch, pass_time


def test_one_who_left_by_the_course_goes_in_again_in_the_same_session(page, server):
    first = slide("slidea", text("begin"))
    last = slide("slideb", button("enough", GoTo(go=LeaveCourse()), label="Enough"))
    launch(page, server, course(first, last))
    page.press("Next")
    page.press("Enough")
    page.see("Your progress is saved in the LMS")
    page.press("Go back in")
    page.words("Enough")
    page.press("Back")
    page.words("begin")
    page.press("Next")
    page.press("Enough")
    page.see("You have left the course")
    page.top()
    page.press("Leave")
    log = "[aria-label='Log of tracking calls']"
    page.until(lambda: page.find(log).text.count("The course says goodbye.") == 1)
    assert page.find(log).text.count("The course says hello.") == 1
    assert "error" not in page.find(log).text


def test_waits_and_timers_go_on_with_the_time_that_was_left(page, server):
    hour, minute = text("anhour"), text("aminute", y=200)
    entered = Rule(id="hide", when=Happens(event="slide_entered"), do=(
        ShowOrHide(action="hide", what=hour.id), ShowOrHide(action="hide", what=minute.id),
        Wait(seconds=3_600), ShowOrHide(action="show", what=hour.id)))
    once = Rule(id="once", when=Timer(after=60), do=(
        ShowOrHide(action="toggle", what=minute.id),))
    launch(page, server, course(
        slide("slidea", hour, minute, text("still", y=400), rules=(entered, once))))
    page.words("still")
    assert _shown(page) == ["still"]
    pass_time(page, 3_500)
    page.until(lambda: _shown(page) == ["aminute", "still"])
    again(page)
    page.until(lambda: _shown(page) == ["aminute", "still"])
    pass_time(page, 120)
    page.until(lambda: _shown(page) == ["anhour", "aminute", "still"])


def _shown(page):
    return [e.text for e in page.all("main .zz-element") if e.is_displayed() and e.text]


def test_a_video_goes_on_at_its_second_and_pauses_with_the_slide(page, server):
    data = video("webm", "libvpx-vp9", frames=120, rate=10)
    found = take_playing(io.BytesIO(data))
    file = MediaFile(
        id="videofile", name="Boat", type=found.type, sha256=hashlib.sha256(data).hexdigest(),
        size=len(data), w=found.w, h=found.h, duration=found.duration)
    shown = Video(id="boatvideo", name="Boat", alt="A boat", media=file.id, x=80, y=120, w=640,
                  h=360, controls=False)
    timing = Timing(length=60, repeats=True)
    document = course(slide("slidea", shown, timing=timing), media=(file,))
    launch(page, server, document, {file.sha256: data})
    page.click("main .zz-video button")
    page.until(lambda: _at(page) > 3)
    page.press("Pause")
    page.until(lambda: page.find("main video").get_property("paused"))
    page.press("Play")
    page.until(lambda: not page.find("main video").get_property("paused"))
    stood = _at(page)
    again(page)
    page.until(lambda: abs(_at(page) - stood) < 2, "the video to stand where it was left")
    assert page.find("main video").get_property("paused")


def _at(page):
    return page.find("main video").get_property("currentTime")


@pytest.mark.parametrize(("counts", "kept"), [("best", "passed"), ("last", "failed")])
def test_a_pass_is_only_overwritten_by_a_worse_run_where_the_last_counts(
        page, server, counts, kept):
    made = document(slide_with("single_choice"), attempts=1, points=4)
    made = made.model_copy(update={"course": made.course.model_copy(update={
        "completion": Completion(slides_share=None, passing=True, counts=counts)})})
    taker = Taking(made)

    def answer(response):
        page.click(f"[data-element={element_of(taker, response[0][0])}]")
        page.press("Submit")
        page.press("Continue")
        page.top()
        page.press("Leave")

    def record():
        return page.find("table").text

    launch(page, server, made)
    answer(right_response(taker.grader))
    page.until(lambda: "passed" in record() and "100" in record())
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Start over")
    answer(wrong_response(taker.grader))
    log = "[aria-label='Log of tracking calls']"
    page.until(lambda: "goodbye" in page.find(log).text)
    page.until(lambda: kept in record())
    assert ("100" in record()) == (kept == "passed")
