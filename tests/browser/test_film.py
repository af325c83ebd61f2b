"""Films with chapters in a real package: controls, what is missing, the whole slide."""

import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from zigzag_core.course import Chapter, CourseDocument, Gate, Overlay, Rule, Video
from zigzag_core.course.rules.gates import MediaWatched
from zigzag_core.course.rules.rule import MediaReached, ShowOrHide

from tests.core.making import course, slide, text
from tests.core.test_media import video
from tests.core.test_transcoding import film

from .packages import again, launch
from .test_arrange import fresh_slide
from .test_package_media import _next_is_on, media_file

SECONDS = 9
CHAPTERS = tuple(Chapter(since=since, name=name) for since, name in (
    (0, "Door"), (3_000, "Stove"), (6_000, "Lamp")))
CONTROLS = "main .zz-controls"


@pytest.fixture(scope="module")
def data():
    return video(frames=SECONDS * 10, rate=10)


def _course(data, *others, **settings) -> tuple[CourseDocument, dict[str, bytes]]:
    file = media_file("filmfile", data).model_copy(update={"chapters": CHAPTERS})
    shown = Video(id="film", name="Round", media=file.id, x=80, y=120, w=640, h=360)
    first = slide("slidea", shown, *others, **{
        "gate": Gate(wants=(MediaWatched(media="film", share=1),)), **settings})
    return course(first, slide("slideb", text("then")), media=(file,)), {file.sha256: data}


def _at(page):
    return page.find("main video").get_property("currentTime")


def _stops_at(page, seconds):
    """Let the film stand still once it has come so far, however slow the test is."""
    page.find("main video")
    page.browser.execute_script("""
        const film = document.querySelector("main video"), seconds = arguments[0];
        film.addEventListener("timeupdate", function stop() {
          if (film.currentTime < seconds) return;
          film.removeEventListener("timeupdate", stop);
          film.pause();
        });""", seconds)


def _stopped(page):
    page.until(lambda: _at(page) > 0 and page.find("main video").get_property("paused"))


def _ended(page):
    page.until(lambda: page.find("main video").get_property("ended"), "the film to end")


def test_what_was_skipped_is_told_and_leads_there(page, server, data):
    launch(page, server, *_course(data))
    _stops_at(page, 1)
    page.find(f"{CONTROLS} button[aria-label='Play Round']").send_keys(Keys.ENTER)
    _stopped(page)
    page.press("Chapters")
    assert [one.text.split("\n")[0] for one in page.all(".zz-chapters li")] == [
        "Door", "Stove", "Lamp"]
    ActionChains(page.browser).send_keys(Keys.TAB, Keys.TAB, Keys.ENTER).perform()
    page.until(lambda: _at(page) >= 6)
    assert not page.all(".zz-chapters li") and not _next_is_on(page)
    assert page.browser.execute_script("return document.activeElement.textContent") == "Chapters"
    page.click(f"{CONTROLS} button")
    _ended(page)
    told = " ".join(page.find(".zz-unseen").text.split())
    assert told.startswith("Not seen yet: 0:0") and told.endswith("to 0:06")
    assert not _next_is_on(page)
    page.click(".zz-unseen button")
    page.until(lambda: not page.find("main video").get_property("paused"))
    page.until(lambda: _next_is_on(page), "what was missing to be seen")
    assert not page.all(".zz-unseen")
    page.click(f"{CONTROLS} button")
    page.press("Chapters")
    page.until(lambda: [one.text.endswith("seen") for one in page.all(".zz-chapters small")] == [
        True, True, True])
    page.press("Next")
    page.until(lambda: "then" in page.find("main").text)


def test_it_goes_on_at_the_second_and_knows_what_was_seen(page, server, data):
    launch(page, server, *_course(data))
    _stops_at(page, 3.2)
    page.find(f"{CONTROLS} button").click()
    _stopped(page)
    left = _at(page)
    again(page)
    page.until(lambda: abs(_at(page) - left) < 1)
    missing = f"Not seen yet: 0:0{int(left)} to 0:09"
    assert " ".join(page.find(".zz-unseen").text.split()) == missing
    assert page.find(f"{CONTROLS} input").get_attribute("aria-valuetext").endswith(", Stove")
    page.find(f"{CONTROLS} button").click()
    _ended(page)
    page.until(lambda: _next_is_on(page), "all of it to count over two visits")


def test_the_position_is_set_by_keys_and_said(page, server, data):
    launch(page, server, *_course(data))
    page.find(f"{CONTROLS} input[aria-label=Position]")
    for key, second, words in (
        (Keys.ARROW_RIGHT, 1, "0:01 of 0:09, Door"), (Keys.END, 9, "0:09 of 0:09, Lamp"),
        (Keys.HOME, 0, "0:00 of 0:09, Door"),
    ):
        page.find(f"{CONTROLS} input").send_keys(key)
        page.until(lambda second=second: round(_at(page)) == second)
        page.until(lambda words=words: page.find(
            f"{CONTROLS} input").get_attribute("aria-valuetext") == words)
    assert not _next_is_on(page), "going somewhere is not watching"


def test_a_film_fills_the_slide_under_an_overlay_that_opens_meanwhile(page, server, data):
    note = Overlay(id="note", name="Note")
    opens = Rule(id="opens", when=MediaReached(of=("film",), at=1), do=(ShowOrHide(what="note"),))
    words = text("words", x=300, y=200, w=400, overlay="note")
    launch(page, server, *_course(data, words, overlays=(note,), rules=(opens,)))
    page.find("main video")
    page.click(f"{CONTROLS} button[aria-label='Full screen']")
    stage, shown = (page.find(where).rect for where in ("main .zz-slide", "main video"))
    page.until(lambda: abs(page.find("main video").rect["width"]
                           - page.find("main .zz-slide").rect["width"]) < 2, f"{stage} {shown}")
    page.find(f"{CONTROLS} button").click()
    page.until(lambda: page.browser.execute_script("""
        const words = document.querySelector("[data-element=words]");
        if (!words) return false;
        const { x, y, width, height } = words.getBoundingClientRect();
        return words.contains(document.elementFromPoint(x + width / 2, y + height / 2));"""),
        "the overlay to lie over the film")
    for _ in range(2):  # The overlay goes first.
        ActionChains(page.browser).send_keys(Keys.ESCAPE).perform()
    page.until(lambda: page.find("main video").rect["width"]
               < 0.7 * page.find("main .zz-slide").rect["width"])


def test_controls_are_large_enough_on_a_phone(page, server, data):
    page.browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", {
        "width": 390, "height": 760, "deviceScaleFactor": 1, "mobile": True})
    try:
        launch(page, server, *_course(data))
        button = page.find(f"{CONTROLS} button")
        page.until(lambda: button.rect["height"] >= 24 and button.rect["width"] >= 24,
                   "24 px for a finger (WCAG 2.5.8)")
        box, bar = page.find("main .zz-video").rect, page.find(CONTROLS).rect
        assert bar["width"] <= box["width"] + 1 and bar["height"] < box["height"] / 2
    finally:
        page.browser.execute_cdp_cmd("Emulation.clearDeviceMetricsOverride", {})


def test_a_film_of_an_odd_kind_is_converted_made_small_and_taken_back(page, server, tmp_path):
    fresh_slide(page, "Odd films")
    source = tmp_path / "Kitchen tour.avi"
    source.write_bytes(film("avi", sound="pcm_s16le", size=(1_280, 720), seconds=3))
    page.press("Media")
    page.find("input[type=file][aria-label='Files to add']").send_keys(str(source))
    put = "[aria-label='Put Kitchen tour.mp4 on the slide']"
    page.until(lambda: page.all(put), "the film to be converted")
    page.click(put)
    page.find("[data-stage] .zz-video")
    page.saved()

    def size():
        slug = page.browser.current_url.split("/courses/")[1].split("/")[0]
        found = page.call("GET", f"/courses/{slug}")["course"]["media"]
        return next(one["w"] for one in found if one["name"] == "Kitchen tour.mp4")

    assert size() == 1_280
    page.open("Chapters and quality")
    line = "//*[@role='radiogroup'][@aria-label='Quality']//label[contains(., {!r})]/input"

    def radio(word):
        return page.until(lambda: page.browser.find_element(By.XPATH, line.format(word)))

    assert radio("Good").is_selected() and not radio("Original").is_enabled()
    radio("Small").click()
    page.until(lambda: radio("Small").is_selected() and radio("Small").is_enabled(),
               "the film to be made small")
    page.saved()
    assert size() == 854
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.saved()
    page.until(lambda: size() == 1_280)

    page.press("Running order")
    page.row("Kitchen tour").click()
    field = page.find("textarea[placeholder^='0:00 Welcome']")
    field.send_keys("0:00 Door\n0:02 Stove\nlamp", Keys.TAB)
    page.see("No chapter: “lamp”.")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("0:02 Stove\n0:00,5 Door", Keys.TAB)
    page.until(lambda: field.get_property("value") == "0:00.5 Door\n0:02 Stove")
    page.saved()

    # A chapter and a poster are taken from where the film stands.
    page.until(lambda: page.browser.execute_script("""
        const film = document.querySelector("video[aria-label^='Look through']");
        if (film.readyState < 2) return false;
        if (film.currentTime !== 1) film.currentTime = 1;
        return film.currentTime === 1 && !film.seeking;"""))
    page.press("Chapter begins here")
    page.until(lambda: field.get_property("value") == "0:00.5 Door\n0:01 Chapter 2\n0:02 Stove")
    page.press("Use this picture as poster")
    poster = "[data-stage] .zz-video img"
    page.until(lambda: "jpg" in page.find(poster).get_attribute("src"))
    page.until(lambda: page.find(poster).get_property("naturalWidth") == 1_280)
    page.saved()
