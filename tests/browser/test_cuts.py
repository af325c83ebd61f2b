"""Videos and audio of which only pieces are played, in a real package with real playback."""

import numpy as np
import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys
from zigzag_core.course import Audio, Gate, Piece, Rule, Video
from zigzag_core.course.rules.gates import MediaWatched
from zigzag_core.course.rules.rule import Happens, ShowOrHide

from tests.core.making import course, slide, text
from tests.core.test_levels import _file
from tests.core.test_media import video

from .packages import again, imported, launch
from .test_access import violations
from .test_film import CHAPTERS, CONTROLS, _at, _stopped, _stops_at
from .test_package_media import _next_is_on, media_file

PIECES = (Piece(since=1_000, until=2_000), Piece(since=6_500, until=7_600))


@pytest.fixture(scope="module")
def data():
    return video(frames=90, rate=10)


def _course(data, **settings):
    """A film of which 2.1 s are played: a gate wants all of them, a note comes with the end."""
    file = media_file("filmfile", data).model_copy(update={"chapters": CHAPTERS})
    ends = Rule(id="ends", when=Happens(event="media_ended"), do=(ShowOrHide(what="note"),))
    shown = Video(id="film", name="Round", media=file.id, x=80, y=120, w=640, h=360,
                  **{"pieces": PIECES, "rules": (ends,), **settings})
    first = slide("slidea", shown, text("note", x=800, y=40, shown=False),
                  gate=Gate(wants=(MediaWatched(media="film", share=1),)))
    return course(first, slide("slideb", text("then")), media=(file,)), {file.sha256: data}


_WATCH = """
    window.places = [];
    const film = document.querySelector("main video");
    const look = () => {
      if (!film.paused && !film.seeking) window.places.push([film.currentTime, film.volume]);
      requestAnimationFrame(look);
    };
    look();"""


def _places(page):
    return page.browser.execute_script("return window.places")


def test_only_the_pieces_are_played_and_all_of_them_count(page, server, data):
    launch(page, server, *_course(data))
    position = page.find(f"{CONTROLS} input[aria-label=Position]")
    # It stands at the begin of the first piece; what is left out is not in its length.
    page.until(lambda: _at(page) == 1)
    assert position.get_attribute("aria-valuetext") == "0:00 of 0:02, Door"
    page.browser.execute_script(_WATCH)
    page.find(f"{CONTROLS} button[aria-label='Play Round']").click()
    page.until(lambda: "note" in page.find("main").text, "its end")
    page.until(lambda: _next_is_on(page), "all that is played to have been seen")
    # A frame or two may pass before a browser has jumped.
    outside = [at for at, _ in _places(page)
               if not (0.99 <= at <= 2.25 or 6.49 <= at <= 7.85)]
    assert not outside
    page.until(lambda: page.find("main video").get_property("paused"))
    # Started once more it begins anew.
    page.find(f"{CONTROLS} button[aria-label='Play Round']").click()
    page.until(lambda: 1 <= _at(page) <= 2)


def test_what_is_missing_is_told_in_the_time_that_learners_see(page, server, data):
    launch(page, server, *_course(data))
    _stops_at(page, 1.5)
    page.find(f"{CONTROLS} button[aria-label='Play Round']").click()
    _stopped(page)
    again(page)
    page.until(lambda: 1.4 <= _at(page) <= 2.1)
    assert " ".join(page.find(".zz-unseen").text.split()) in (
        "Not seen yet: 0:00 to 0:03", "Not seen yet: 0:01 to 0:03")
    page.click(".zz-unseen button")
    page.until(lambda: "note" in page.find("main").text, "its end")
    page.until(lambda: _next_is_on(page))


def test_a_film_that_repeats_stays_within_its_pieces(page, server, data):
    launch(page, server, *_course(data, loop=True))
    page.until(lambda: _at(page) == 1)
    page.browser.execute_script(_WATCH)
    page.find(f"{CONTROLS} button[aria-label='Play Round']").click()
    # The second piece, and the first one again.
    page.until(lambda: any(at > 7 for at, _ in _places(page)))
    page.until(lambda: any(
        at < 3 for at, _ in _places(page)[next(
            n for n, (at, _) in enumerate(_places(page)) if at > 7):]), "a second round")
    assert all(0.99 <= at <= 2.25 or 6.49 <= at <= 7.85 for at, _ in _places(page))


def test_its_sound_comes_and_goes(page, server, data):
    launch(page, server, *_course(data, fade_in=800, fade_out=800))
    page.until(lambda: _at(page) == 1)
    page.browser.execute_script(_WATCH)
    page.find(f"{CONTROLS} button[aria-label='Play Round']").click()
    page.until(lambda: "note" in page.find("main").text, "its end")
    places = _places(page)
    for at, volume in places[2:]:
        shown = at - 1 if at < 3 else at - 5.5
        if 0 <= shown <= 2.1:
            loud = min(shown / 0.8, (2.1 - shown) / 0.8, 1)
            assert abs(volume - max(loud, 0)) < 0.25, (at, volume)
    assert max(volume for _, volume in places) > 0.9


def test_an_author_cuts_where_the_film_stands_and_takes_it_back(page, server, data):
    document, kept = _course(data, pieces=())
    slug = imported(server, document, kept)
    page.go(f"/courses/{slug}/build")
    page.row("Round").click()
    page.open("Cut and fade")

    def stands(seconds):
        page.until(lambda: page.browser.execute_script("""
            const film = document.querySelector("[data-cut] video");
            if (film.readyState < 1) return false;
            if (film.currentTime !== arguments[0]) film.currentTime = arguments[0];
            return film.currentTime === arguments[0] && !film.seeking;""", seconds))

    def pieces():
        return [one.text for one in page.all("[data-cut] li")]

    page.see("Plays 0:09 of 0:09")
    for seconds, button in (
            (1, "Begin here"), (8, "End here"), (3, "Split here"), (5, "Split here")):
        stands(seconds)
        page.press(button)
    page.until(lambda: pieces() == ["0:01 to 0:03", "0:03 to 0:05", "0:05 to 0:08"])
    page.click("button[aria-label='Leave out 0:03 to 0:05']")
    page.see("Plays 0:05 of 0:09")
    assert violations(page) == []
    page.saved()
    [film] = [one for one in page.call("GET", f"/courses/{slug}")["slides"][0]["slide"]["elements"]
              if one["kind"] == "video"]
    assert film["pieces"] == [{"since": 1_000, "until": 3_000}, {"since": 5_000, "until": 8_000}]
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.until(lambda: len(pieces()) == 3, "the piece to be back")
    page.press("Play all of it")
    page.until(lambda: pieces() == ["0:00 to 0:09"])
    page.saved()


def test_one_that_plays_alone_lets_the_others_stand_still_and_is_round(page, server, data):
    document, kept = _course(data, pieces=(), alone=True, mask="ellipse")
    [first, then] = document.slides
    [film] = [one for one in first.elements if isinstance(one, Video)]
    other = film.model_copy(update={"id": "other", "name": "Second", "y": 500, "alone": False,
                                    "rules": (), "mask": "none", "h": 180, "w": 320})
    first = first.model_copy(update={"elements": (*first.elements, other)})
    launch(page, server, document.model_copy(update={"slides": (first, then)}), kept)

    def playing():
        return page.browser.execute_script(
            "return [...document.querySelectorAll('main video')].map(film => !film.paused)")

    page.click("button[aria-label='Play Second']")
    page.until(lambda: playing() == [False, True])
    page.click("button[aria-label='Play Round']")
    page.until(lambda: playing() == [True, False])
    # The other one does not ask for that: both play.
    page.click("button[aria-label='Play Second']")
    page.until(lambda: playing() == [True, True])
    assert [one.value_of_css_property("border-top-left-radius")
            for one in page.all("main video")] == ["50%", "0px"]


def test_the_waveform_leads_through_a_sound_and_silence_is_left_out(page, server):
    rate = 16_000
    tone = 0.5 * np.sin(2 * np.pi * 440 * np.arange(rate) / rate)
    data = _file(np.concatenate([np.zeros(rate // 2), tone, np.zeros(rate)])).getvalue()
    file = media_file("bellfile", data).model_copy(update={
        "type": "audio/wav", "duration": 2_500, "w": 0, "h": 0})
    bell = Audio(id="bell", name="Bell", media=file.id, x=80, y=120, w=400, h=60)
    slug = imported(server, course(slide("slidea", bell), media=(file,)), {file.sha256: data})
    page.go(f"/courses/{slug}/build")
    page.row("Bell").click()
    page.open("Cut and fade")
    wave = page.find("[data-wave]")
    page.until(lambda: page.find("[data-cut] audio").get_property("readyState") >= 1)
    ActionChains(page.browser).move_to_element(wave).click().perform()
    page.until(lambda: abs(page.find("[data-cut] audio").get_property("currentTime") - 1.25) < 0.1)
    page.press("Leave out the silence at the ends")
    page.until(lambda: [one.text for one in page.all("[data-cut] li")] == ["0:00.35 to 0:01.65"])
    assert "Leave out the silence" not in page.find("[data-cut]").text
    page.saved()
