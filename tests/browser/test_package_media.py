"""Media in a real package, really played."""

import hashlib
import io

import pytest
from selenium.webdriver.support.ui import Select
from zigzag_core.course import (
    Audio,
    Choice,
    Course,
    CourseDocument,
    Cue,
    Feedback,
    Gate,
    MediaFile,
    Move,
    SingleChoice,
    Video,
    rich,
)
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.rules.gates import MediaWatched
from zigzag_core.course.rules.rule import PlaySound
from zigzag_core.course.rules.timing import Timing
from zigzag_core.media.playing import take_playing

from tests.core.making import button, course, slide, text
from tests.core.samples import fresh_ids
from tests.core.test_media import sound, video

from .packages import launch, pass_time


def media_file(name, data):
    """The media file `name` that a video or sound comes to."""
    found = take_playing(io.BytesIO(data))
    return MediaFile(
        id=name, name=name, type=found.type, sha256=hashlib.sha256(data).hexdigest(),
        size=len(data), w=found.w, h=found.h, duration=found.duration)


def _course(data):
    """Two slides: the second can be reached once all of the video was seen."""
    fresh, file = fresh_ids(3), media_file("videofile", data)
    shown = Video(id="boatvideo", name="Boat", alt="A boat", media=file.id, x=80, y=120, w=640,
                  h=360, controls=False)
    first = blank_slide("Watch", fresh).model_copy(update={
        "elements": (shown,), "gate": Gate(wants=(MediaWatched(media=shown.id, share=1),))})
    slides = (first, blank_slide("Then", fresh))
    return CourseDocument(slides=slides, course=Course(
        id="course", title="Boat", slides=tuple(s.id for s in slides), media=(file,),
    )), {file.sha256: data}


def _next_is_on(page):
    return "zz-waits" not in page.words("Next", "button").get_attribute("class")


@pytest.mark.parametrize(("frames", "rate"), [(25, 7), (31, 12)])
def test_a_video_played_straight_through_is_seen_in_full(page, server, frames, rate):
    document, media = _course(video("webm", "libvpx-vp9", frames=frames, rate=rate))
    launch(page, server, document, media)
    assert not _next_is_on(page)
    page.click("main .zz-video button")
    page.until(lambda: page.find("main video").get_property("ended"), "the video to end")
    page.until(lambda: _next_is_on(page), "all of it to count")


def test_what_plays_while_nobody_can_see_it_is_not_seen(page, server):
    """A sound, since browsers let videos stand still meanwhile."""
    data = sound("wav", seconds=3)
    file = media_file("talkfile", data)
    talk = Audio(id="talk", name="Talk", media=file.id, x=80, y=80, w=400, h=60)
    first = slide("slidea", talk, gate=Gate(wants=(MediaWatched(media="talk", share=1),)))
    launch(page, server, course(first, slide("slideb"), media=(file,)),
           {file.sha256: data})

    def play():
        page.browser.execute_script("document.querySelector('audio').play()")

    page.find("audio")
    size = page.browser.get_window_rect()
    page.browser.minimize_window()
    page.until(lambda: page.browser.execute_script("return document.visibilityState") == "hidden")
    play()
    page.until(lambda: page.find("audio").get_property("ended"), "the sound to end")
    page.browser.set_window_rect(**size)
    page.until(lambda: page.browser.execute_script("return document.visibilityState") == "visible")
    assert not _next_is_on(page)
    play()
    page.until(lambda: _next_is_on(page), "all of it to count when it is looked at")


def test_speed_changes_cues_moves_and_videos_together(page, server):
    document, media = _course(video("webm", "libvpx-vp9", frames=31, rate=12))
    first, then = document.slides
    drift = Move(id="drift", path=({"x": 300, "y": 0},), duration=50_000, times=0)
    timing = Timing(length=90_000, cues=(
        Cue(id="cuea", does="move", what="boat", move="drift", at=0),
        Cue(id="cueb", what="late", at=40_000)))
    first = first.model_copy(update={"timing": timing, "elements": (
        *first.elements, text("boat", moves=(drift,)), text("late", x=700))})
    document = document.model_copy(update={"slides": (first, then)})
    launch(page, server, document, media)
    page.find("main video")
    Select(page.find("[aria-label=Speed]")).select_by_visible_text("2 ×")
    page.until(lambda: page.find("main video").get_property("playbackRate") == 2)
    assert page.browser.execute_script(
        "return document.getAnimations().filter((one) => one.playbackRate === 2).length") == 1
    pass_time(page, 15)
    page.until(lambda: "boat" in page.find("main").text)
    assert "late" not in page.find("main").text
    pass_time(page, 6)
    page.until(lambda: "late" in page.find("main").text)

    page.click("main .zz-video button")
    page.until(lambda: page.find("main video").get_property("ended"))
    page.until(lambda: _next_is_on(page), "all of it to count at twice the speed")


def test_pause_lets_sounds_stand_still_and_they_go_on_after_it(page, server):
    data = sound("wav", seconds=30)
    file = media_file("bellfile", data)
    document = course(
        slide("slidea", button("ring", PlaySound(media=file.id), label="Ring"),
              timing=Timing(length=60_000)), media=(file,))
    launch(page, server, document, {file.sha256: data})
    page.browser.execute_script("""
      const play = HTMLMediaElement.prototype.play;
      HTMLMediaElement.prototype.play = function () {
        window.sound = this;
        return play.call(this);
      };
    """)

    def plays():
        return page.browser.execute_script("return window.sound && !window.sound.paused")

    page.press("Ring")
    page.until(plays)
    page.press("Pause")
    page.until(lambda: not plays())
    page.press("Play")
    page.until(plays)


def test_twice_the_speed_counts_as_seen(page, server):
    document, media = _course(video("webm", "libvpx-vp9", frames=40, rate=10))
    launch(page, server, document, media)
    Select(page.find("select[aria-label='Speed']")).select_by_visible_text("2 ×")
    page.click("main .zz-video button")
    page.until(lambda: page.find("main video").get_property("ended"), "the video to end")
    page.until(lambda: _next_is_on(page), "all of it to count")


def test_going_to_the_end_of_a_video_is_not_seeing_it(page, server):
    document, media = _course(video("webm", "libvpx-vp9", frames=40, rate=10))
    launch(page, server, document, media)
    playing = page.find("main video")
    page.click("main .zz-video button")
    page.until(lambda: playing.get_property("currentTime") > 0.3)
    page.browser.execute_script("arguments[0].currentTime = 3", playing)
    page.until(lambda: playing.get_property("ended"))
    page.see("Next")
    assert not _next_is_on(page)


def test_videos_as_answers_are_played_by_their_controls_and_chosen_by_their_pictures(page, server):
    data = video("mp4", frames=60, rate=10)
    file = media_file("sockfile", data).model_copy(update={"soundless": True})
    socks = [Video(id=name, name=name, alt=name, media=file.id, x=80 + n * 380, y=120, w=352,
                   h=198, alone=True) for n, name in enumerate(("calm", "storm"))]
    asked = SingleChoice(id="asked", name="Wind", prompt="prompt", submit="send", choices=tuple(
        Choice(id=f"choice{n}", element=sock.id, right=n == 1) for n, sock in enumerate(socks)),
        feedback=Feedback(right=rich("It blows.")))
    launch(page, server, course(slide(
        "slidea", text("prompt"), *socks, button("send", label="Submit"), questions=(asked,)),
        slide("slideb"), media=(file,)), {file.sha256: data})

    def answers(name):
        return page.browser.execute_script(
            f"return [...document.querySelectorAll('main video')].map(one => one.{name})")

    def chosen():
        return [one.get_attribute("data-chosen") for one in page.all("main .zz-choice")]

    page.click("main [aria-label='Play calm']")
    page.until(lambda: answers("paused") == [False, True])
    page.click("main [aria-label='Play storm']")
    page.until(lambda: answers("paused") == [True, False], "only one of them to play")
    assert chosen() == ["false", "false"]
    page.all("main .zz-choice video")[0].click()
    page.until(lambda: "true" in chosen())
    assert answers("paused") == [True, False], "choosing leaves what plays alone"
    page.all("main .zz-choice video")[1].click()
    page.until(lambda: chosen() == ["false", "true"])
    page.press("Submit")
    page.see("It blows.")
