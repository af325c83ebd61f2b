"""Narration: written in the script, spoken, heard in a real package, with cues at words."""

import hashlib

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from zigzag_core.course import Cue, MediaFile
from zigzag_core.course.rules.timing import SpokenWord
from zigzag_core.csv_text import csv_text
from zigzag_core.editing.narration.script import ScriptPlace, script_of
from zigzag_core.editing.narration.voices import with_course_voices
from zigzag_core.editing.narration.words import with_words
from zigzag_core.voice.course import spoken
from zigzag_core.voice.encoding import as_mp3
from zigzag_core.voice.espeak import speak
from zigzag_core.voice.speech import Manner

from tests.core.making import course, slide, text
from tests.core.samples import fresh_ids

from .packages import imported, inside, launch, note_sounds, pass_time, put_in_course
from .test_access import violations
from .test_arrange import fresh_slide

SAID = "First the stove is lit from the top, with large logs below. Then the lamp goes on."
LAMP = SAID.split().index("lamp")


def _spoken_course():
    """A slide that says something, with a text that appears at the word *lamp*; and the voice."""
    place = ScriptPlace("slidea", "slide")
    told = with_words(slide(
        "slidea", text("heading", level="title"), text("lamp")), place, SAID, fresh_ids(), 720)
    cue = Cue(id="cueone", what="lamp", at=0, effect="none", leaves_with="none",
              word=SpokenWord(number=LAMP))
    told = told.model_copy(update={"timing": told.timing.model_copy(update={"cues": (cue,)})})
    kept = {}

    def keep(name, data, duration):
        sha = hashlib.sha256(data).hexdigest()
        kept[sha] = data
        return MediaFile(id="voicefile", name=name, type="audio/mpeg", sha256=sha, size=len(data),
                         duration=duration)

    document = course(slide("slideb", text("begin", level="title")), told)
    document = with_course_voices(document, spoken(document, keep))
    [cue] = document.slides[1].timing.cues
    assert cue.at > 3_000
    return document, kept, cue.at / 1_000


def _now(page):
    """Whether the lamp is there, and how far (s) the voice is."""
    return page.browser.execute_script(
        "return [document.querySelector('[data-element=lamp]') !== null,"
        " document.querySelector('audio').currentTime, document.querySelector('audio').paused]")


def _appears(page, at):
    """Wait for the lamp; it comes where the voice says it."""
    place = page.browser.execute_async_script("""
        const done = arguments[0];
        const look = () => {
          const lamp = document.querySelector("[data-element=lamp]");
          if (lamp) done(document.querySelector("audio").currentTime);
          else requestAnimationFrame(look);
        };
        look();""")
    # On a busy machine it may be seen late, never early.
    assert at - 0.1 <= place <= at + 1.2


def test_a_cue_comes_with_its_word_and_captions_say_what_is_heard(page, server):
    document, kept, at = _spoken_course()
    page.browser.set_script_timeout(60)
    launch(page, server, document, kept)
    page.press("Next")
    page.find("audio")
    _appears(page, at)
    page.until(lambda: "lamp goes on" in page.find(".zz-caption").text)
    page.gone(".zz-play")
    assert violations(page) == []


def test_who_leaves_in_the_middle_goes_on_where_the_voice_was(page, server):
    document, kept, _ = _spoken_course()
    launch(page, server, document, kept)
    page.press("Next")
    page.until(lambda: _now(page)[0], "the lamp")
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.find("audio")
    shown, at, _ = _now(page)
    assert shown and at > 2


REFUSED = """
const play = HTMLMediaElement.prototype.play;
HTMLMediaElement.prototype.play = function () {
  return window.allowed ? play.call(this)
    : Promise.reject(new DOMException("no", "NotAllowedError"));
};"""


def test_where_the_browser_refuses_to_play_cues_wait_for_the_learner(page, server):
    document, kept, at = _spoken_course()
    launch(page, server, document, kept)
    page.browser.execute_script(REFUSED)
    page.press("Next")
    page.find(".zz-play")
    pass_time(page, 600)
    # Ten minutes later, by the page's clock, nothing has happened without the voice.
    page.browser.execute_async_script("setTimeout(arguments[0], 500)")
    assert _now(page)[0] is False
    assert violations(page) == []
    page.browser.execute_script("window.allowed = true")
    page.click(".zz-play")
    page.browser.set_script_timeout(60)
    _appears(page, at)


def test_a_voice_that_cannot_be_played_lets_time_go_on(page, server):
    document, kept, at = _spoken_course()
    launch(page, server, document, kept)
    page.press("Next")
    page.find("audio")
    page.browser.execute_script("document.querySelector('audio').src = 'gone.mp3'")
    page.until(lambda: page.find("audio").get_property("error"))
    assert not page.all("[data-element=lamp]")
    pass_time(page, at + 1)
    page.until(lambda: page.all("[data-element=lamp]"), "the lamp")


def test_a_paused_course_and_a_faster_one_keep_cue_and_voice_together(page, server):
    document, kept, at = _spoken_course()
    launch(page, server, document, kept)
    page.press("Next")
    page.until(lambda: _now(page)[1] > 0.3)
    page.press("Pause")
    page.until(lambda: _now(page)[2])
    pass_time(page, 600)
    assert _now(page)[0] is False
    Select(page.find("select[aria-label='Speed']")).select_by_visible_text("2 ×")
    page.press("Play")
    page.browser.set_script_timeout(60)
    _appears(page, at)
    assert page.find("audio").get_property("playbackRate") == 2


@pytest.fixture
def script(page):
    slug = fresh_slide(page, "Heard")
    page.saved()
    page.go(f"/courses/{slug}/plan")
    page.press("Script")
    page.find("[data-script-row]")
    return slug


def test_a_slide_is_written_spoken_changed_and_heard(page, script):
    row = page.find("[data-script-row]")
    row.find_element(By.CSS_SELECTOR, "td:nth-child(3)").click()
    page.find("[data-script-row] textarea").send_keys(SAID, Keys.ENTER)
    page.see("1 missing")
    page.press("Speak 1 line")
    page.see("1 line spoken.")
    page.see("1 by machine")
    page.see("2 captions")
    assert violations(page) == []
    # By keyboard: the line, its words, and back to the line.
    page.until(lambda: page.find("[data-script-row]").get_attribute("aria-selected") == "true")
    page.find("[data-script-row]").send_keys(Keys.ENTER)
    field = page.find("[data-script-row] textarea")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Never close the air slide.", Keys.ENTER)
    page.see("words changed")
    page.press("Speak again")
    page.until(lambda: page.find("[data-script-row]").get_attribute("data-state") == "machine")
    page.saved()
    put_in_course(page, script)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.until(lambda: "Never close" in page.find(".zz-caption").text)


def test_the_script_is_filtered_found_in_exported_and_read_back(page, server, tmp_path):
    document, kept, _ = _spoken_course()
    slug = imported(server, document, kept)
    page.go(f"/courses/{slug}/plan")
    page.press("Script")
    page.until(lambda: len(page.all("[data-script-row]")) == 2)
    page.press("1 by machine")
    page.until(lambda: len(page.all("[data-script-row]")) == 1)
    page.press("1 by machine")
    page.find("body").send_keys("/")
    page.browser.switch_to.active_element.send_keys("nothing like this")
    page.see("No line fits.")
    page.browser.switch_to.active_element.send_keys(Keys.CONTROL, "a")
    page.browser.switch_to.active_element.send_keys(Keys.BACKSPACE)
    [second, first] = script_of(document)
    file = tmp_path / "words.csv"
    file.write_text(csv_text([("File", "Words"), (second.file, "Good night."),
                              (first.file, SAID), ("99-gone", "x")]))
    page.press("Export")
    page.words("Import words from a table (CSV)")
    page.browser.find_element(By.CSS_SELECTOR, "input[accept^='.csv']").send_keys(str(file))
    page.see("1 slide has other words now. 1 line of the table is not in the course.")
    page.see("Good night.")
    page.see("1 missing")


def test_recordings_find_their_lines_and_their_words(page, server, tmp_path):
    document, _, _ = _spoken_course()
    settings = document.course.model_copy(update={"media": ()})
    bare = document.model_copy(update={"course": settings, "slides": tuple(
        one.model_copy(update={"elements": tuple(
            e.model_copy(update={"media": None}) if e.kind == "audio" else e
            for e in one.elements)}) for one in document.slides)})
    slug = imported(server, bare)
    page.go(f"/courses/{slug}/plan")
    page.press("Script")
    page.see("1 missing")
    [_, row] = script_of(bare)
    (tmp_path / f"{row.file}.mp3").write_bytes(as_mp3(speak(SAID, Manner("en", "low3", 110))))
    (tmp_path / "strange.mp3").write_bytes(as_mp3(speak("Who knows?", Manner("en"))))
    field = page.browser.find_element(By.CSS_SELECTOR, "input[multiple]")
    field.send_keys("\n".join(str(tmp_path / name) for name in (f"{row.file}.mp3", "strange.mp3")))
    page.see("1 recording added. No line has a file of this name: strange.mp3.")
    page.see("1 recorded")
    page.see("2 captions")
    page.saved()
    [told] = [one["slide"] for one in page.call("GET", f"/courses/{slug}")["slides"]
              if one["slide"]["timing"]["cues"]]
    [cue] = told["timing"]["cues"]
    # The recording is slower than the machine's own voice: the cue is where its word is heard.
    assert cue["word"]["number"] == LAMP and cue["at"] > 5_000


def test_a_line_is_recorded_in_takes_and_one_is_used(page, script):
    """The browser's own stand-in for a microphone beeps once a second."""
    row = page.find("[data-script-row]")
    row.find_element(By.CSS_SELECTOR, "td:nth-child(3)").click()
    page.find("[data-script-row] textarea").send_keys("Beep. Beep.", Keys.ENTER)
    page.see("1 missing")
    page.until(lambda: page.find("[data-script-row]").get_attribute("aria-selected") == "true")
    page.find("[data-script-row]").send_keys("r")
    bar = page.find("[data-record-bar]")
    for number in (1, 2):
        bar.send_keys("r")
        page.find("[role=meter][aria-label=Level]")
        page.until(lambda: float(page.find("[role=meter]").get_attribute("aria-valuenow")) > 5)
        assert violations(page) == []
        bar.send_keys("r")
        page.find(f"[data-take='{number}']")
    note_sounds(page)
    page.press("Play take 1")
    page.until(lambda: page.browser.execute_script("return heard[0]?.currentTime > 0"))
    page.find("[data-take='2'] button:last-child").click()
    page.gone("[data-record-bar]")
    page.see("1 recorded")
    page.saved()
    [row] = page.call("GET", f"/courses/{script}/script")["rows"][:1]
    assert row["length"] > 100 and row["loudness"] > -40
