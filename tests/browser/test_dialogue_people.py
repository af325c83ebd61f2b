"""People who talk: cast by authors, met by learners on a laptop and a phone, in a strict LMS."""

from itertools import pairwise

import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys
from zigzag_demo.at_the_counter import at_the_counter
from zigzag_demo.builder import CourseBuilder
from zigzag_demo.conversations import TRUST, conversations

from tests.core.test_dialogue_playing import course_of
from tests.core.test_media import sound

from .driver import fit_window
from .packages import goes_on, inside, launch, note_sounds, pass_time, put_in, put_in_course
from .test_access import violations
from .test_arrange import fresh_slide
from .test_dialogue import SCRIPT, _text
from .test_keyboard import palette


def _talks():
    """The two conversations of the demo, as a course of their own."""
    b = CourseBuilder("Conversations", seed=5)
    conversations(b, b.slide_ids("guest_talk", "quiet_word"))
    return b.build(variables=(TRUST,)), b.media


def _log(page) -> list[str]:
    """What was said so far, as a screen reader has it."""
    return [one.text for one in page.all("[role=log] .zz-said")]


def _speaks(page) -> str | None:
    """The person in front."""
    return page.browser.execute_script(
        "return [...document.querySelectorAll('.zz-person')].at(-1)?.dataset.person ?? null")


def _choose(page, words: str) -> None:
    """Press the reply with these words by keyboard, and wait until it was said."""
    reply = page.until(lambda: next(
        one for one in page.all(".zz-replies button") if words in one.text), words)
    page.browser.execute_script("arguments[0].focus()", reply)
    page.browser.switch_to.active_element.send_keys(Keys.ENTER)
    page.until(lambda: any(words in one for one in _log(page)), words)


def _continue(page) -> None:
    before = len(_log(page))
    page.press("Continue")
    page.until(lambda: len(_log(page)) > before)


def test_a_guest_is_met_line_by_line_with_a_log_and_a_meter(page, server):
    document, media = _talks()
    launch(page, server, document, media)
    page.find("main.zz-view")
    page.until(lambda: any("Is there a place left?" in one for one in _log(page)))
    assert _speaks(page) == "Pell" and len(page.all(".zz-scene-backdrop")) == 1
    assert violations(page) == []
    _choose(page, "Come in first")
    page.until(lambda: _speaks(page) == "Mira")
    # The one who was there before is still on the stage, behind.
    assert len(page.all(".zz-person")) == 2
    assert page.find("[role=meter]").get_attribute("aria-valuenow") == "2"
    # The focus went on with the talk: what leads on has it.
    assert page.browser.switch_to.active_element.text == "Continue"
    _continue(page)
    assert [one.split("\n")[0].split(" (")[0] for one in _log(page)] == [
        "Pell", "You", "Mira", "Pell"]
    # Each line is in the log once, the newest last; the region announces what is added.
    log = page.find("[role=log]")
    assert log.get_attribute("aria-label") == "What was said so far"
    assert len(set(_log(page))) == 4
    _choose(page, "First something warm")
    # Each has room for all of its words: none lies on the one before.
    places = page.browser.execute_script("""
        return [...document.querySelectorAll(".zz-said")].map((one) => {
          const box = one.getBoundingClientRect();
          const words = one.querySelector(".zz-rich").getBoundingClientRect();
          return [box.top, Math.max(box.bottom, words.bottom)];
        })""")
    assert len(places) == 6 and all(
        under[0] >= over[1] for over, under in pairwise(places)), places
    said = _log(page)
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: _log(page) == said, "the log is there after coming back")
    assert _speaks(page) == "Pell" and len(page.all(".zz-person")) == 2
    _continue(page)
    _continue(page)
    _choose(page, "I hang your things")
    _choose(page, "For everybody")
    _choose(page, "with three blankets")
    _continue(page)
    page.see("Advice")
    page.press("Start the conversation again")
    page.until(lambda: len(_log(page)) == 1)
    assert page.find("[role=meter]").get_attribute("aria-valuenow") == "0"
    page.top()
    page.press("Leave")
    page.see("Come in first. Then we see.")


TIMED = """## A
X: Well?
  > Let me think. -> Said
  > (Say nothing) -> Silent [after 30 s]
## Said [ending good]
X: Do.
## Silent [ending bad]
X: No answer is one, too.
"""


def test_the_time_to_reply_runs_out_in_a_package(page, server):
    launch(page, server, course_of(TIMED))
    page.until(lambda: "0:30" in page.find("[role=timer]").text)
    pass_time(page, 22)
    page.until(lambda: page.find("[role=timer] [role=status]").get_attribute("textContent"))
    assert len(_log(page)) == 1
    pass_time(page, 9)
    page.until(lambda: any("No answer is one" in one for one in _log(page)))
    page.press("Start the conversation again")
    # Who wants no limit has none.
    page.find("select[aria-label='Time for questions']").send_keys("No")
    page.gone("[role=timer]")
    pass_time(page, 100)
    _choose(page, "Let me think.")


def test_advice_is_held_back_to_the_end(page, server):
    document, media = _talks()
    launch(page, server, document, media)
    goes_on(page)
    page.until(lambda: any("You wanted to talk to me?" in one for one in _log(page)))
    _choose(page, "Do you have a moment")
    _choose(page, "At ten I found")
    assert not [one for one in _log(page) if one.startswith("Advice")]
    _choose(page, "What would help")
    _choose(page, "I look at it with you")
    _continue(page)
    given = [one for one in _log(page) if one.startswith("Advice")]
    assert len(given) == 3 and "you saw, when and where" in given[0]


@pytest.mark.parametrize("size", [(390, 844), (844, 390), (320, 640)])
def test_on_a_phone_the_person_is_above_and_nothing_is_small(page, server, size):
    put_in(page, server, *at_the_counter())
    fit_window(page.browser, *size)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.until(lambda: any("drill was due" in one for one in _log(page)))
    assert page.all(".zz-dialogue-over") and _speaks(page) == "Kirrin"
    smallest = page.browser.execute_script(
        "return Math.min(...[...document.querySelectorAll('.zz-dialogue-over *')]"
        ".filter((one) => one.textContent.trim() && !one.children.length"
        " && one.getClientRects().length && !one.closest('.zz-hidden'))"
        ".map((one) => parseFloat(getComputedStyle(one).fontSize)))")
    assert smallest >= 16
    assert violations(page) == []
    wide = page.browser.execute_script(
        "return document.querySelector('.zz-dialogue-over').scrollWidth"
        " - document.querySelector('.zz-dialogue-over').clientWidth")
    assert wide <= 0
    _choose(page, "Good that you are here")
    _choose(page, "Then it was lent well")
    # There is nothing else on the slide.
    assert not page.all(".zz-to-slide")


def test_on_a_phone_the_slide_is_there_as_well(page, server):
    put_in(page, server, *_talks())
    fit_window(page.browser, 390, 844)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.until(lambda: any("Is there a place left?" in one for one in _log(page)))
    page.press("Show the slide")
    page.gone(".zz-dialogue-over")
    page.see("A guest at night: what do you say?")
    page.press("Open the conversation: The late guest")
    _choose(page, "Come in first")


def test_a_person_is_cast_a_backdrop_chosen_and_both_are_undone(page):
    slug = fresh_slide(page, "Cast")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.click("[role=tab][data-value=cast]")
    # The example is played at once.
    page.see("Played by Pell")
    page.press("Choose person for Pell")
    page.press("Played by Doro")
    page.until(lambda: "Played by Doro" in page.find("[data-speaker=Pell]").text)
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, Keys.HOME)
    field.send_keys(Keys.END, Keys.ENTER, "backdrop: front room, evening")
    page.press("Use “Front room”")
    page.until(lambda: page.all("[data-preview] .zz-scene-backdrop"))
    page.saved()
    assert violations(page) == []
    dialogue = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]["dialogues"][0]
    assert [one["mood"] for one in dialogue["speakers"][0]["moods"]][:2] == ["friendly", "calm"]
    assert dialogue["scenery"][0]["words"] == "front room, evening"
    page.find("[role=tab][data-value=cast]").send_keys(Keys.CONTROL, "z")
    page.until(lambda: not page.all("[data-preview] .zz-scene-backdrop"))


def test_names_and_moods_are_offered_and_wrong_ones_are_mended(page):
    fresh_slide(page, "Help")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.until(lambda: page.all("[data-preview] .zz-person"))
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, Keys.END)
    field.send_keys(Keys.ENTER, "Pe")
    page.see("Pell")
    page.find(".cm-tooltip-autocomplete")
    field.send_keys(Keys.ENTER)
    page.until(lambda: _text(page).endswith("Pell: "))
    field.send_keys(Keys.BACKSPACE, Keys.BACKSPACE, " (surp")
    page.find(".cm-tooltip-autocomplete")
    field.send_keys(Keys.ENTER)
    page.until(lambda: _text(page).endswith("Pell (surprised): "))
    field.send_keys("Oh.", Keys.ENTER, "Pell (astonished): Really?", Keys.ENTER, "> Yes -> Ins")
    page.find(".cm-tooltip-autocomplete")
    field.send_keys(Keys.ENTER)
    page.until(lambda: _text(page).endswith("> Yes -> Inside"))
    # A mood without a picture is underlined, and F8 leads to it with what there is.
    page.until(lambda: "Yes" in page.find("[data-ways]").text, "all of it to be read")
    page.find(".cm-lintRange-warning")
    field.send_keys(Keys.F8)
    page.see("Pell has no picture for the mood “astonished”")
    page.press("friendly")
    page.until(lambda: "Pell (friendly): Really?" in _text(page))


def test_a_table_is_pasted_and_undo_brings_it_back(page):
    fresh_slide(page, "Paste")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, "a")
    page.paste(
        "Turn\tSpeaker\tLine\tReply\tLeads to\nDoor\tPell\tIs there a place?\tYes\tIn\n"
        "Door\t\t\tNo\tOut\nIn\tPell\tThank you.\t\t\nOut\tPell\tGood night.\t\t\n")
    page.see("Read from a table of 4 rows.")
    assert _text(page).split("\n")[:4] == [
        "## Door", "Pell: Is there a place?", "  > Yes -> In", "  > No -> Out"]
    field.send_keys(Keys.CONTROL, "z")
    page.until(lambda: "Turn\tSpeaker\tLine" in _text(page))


def test_the_box_of_a_dialogue_is_moved_and_resized(page):
    slug = fresh_slide(page, "Box")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.until(lambda: page.all("[data-preview] .zz-person"))
    page.press("Back to the slide")

    def box() -> dict:
        page.saved()
        [one] = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]["dialogues"]
        return {key: one[key] for key in "xywh"}

    before = box()
    page.find("[aria-label^='Move “']").send_keys(Keys.ARROW_RIGHT, Keys.SHIFT, Keys.ARROW_DOWN)
    page.find("[aria-label^='Resize “']").send_keys(Keys.ARROW_LEFT)
    page.until(lambda: box() == {"x": before["x"] + 1, "y": before["y"] + 10,
                                 "w": before["w"] - 1, "h": before["h"]})
    ActionChains(page.browser).drag_and_drop_by_offset(
        page.find("[aria-label^='Resize “']"), -60, -40).perform()
    page.until(lambda: box()["w"] < before["w"] - 30)


def test_a_course_that_is_a_dialogue_takes_three_clicks(page):
    page.go("/")
    page.press("New course")
    page.find("input[aria-label='Title']").send_keys("A talk")
    page.press("Create as a dialogue")
    page.see("3 turns · 2 endings")
    page.until(lambda: page.all("[data-preview] .zz-person"))
    page.saved()
    slug = page.browser.current_url.split("/courses/")[1].split("/")[0]
    [slide] = page.call("GET", f"/courses/{slug}")["slides"]
    [dialogue] = slide["slide"]["dialogues"]
    assert [dialogue[key] for key in "xywh"] == [0, 0, 1280, 720]


def test_lines_get_their_voices_by_name_and_learners_hear_them(page, server, tmp_path):
    slug = fresh_slide(page, "Voices")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.until(lambda: page.all("[data-preview] .zz-person"))
    page.click("[role=tab][data-value=voice]")
    page.see("0 of 3 lines have a voice")
    files = []
    for name in ("01-pell", "02-pell", "strange"):
        files.append(tmp_path / f"{name}.wav")
        files[-1].write_bytes(sound("wav", seconds=2))
    page.browser.find_element("css selector", "input[multiple]").send_keys(
        "\n".join(map(str, files)))
    page.see("2 of 3 lines have a voice")
    page.see("No line is called: strange.wav")
    assert violations(page) == []
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, Keys.HOME)
    field.send_keys(Keys.ARROW_DOWN, Keys.END, Keys.BACKSPACE, " for me?")
    page.see("1 changed since")
    page.saved()
    put_in_course(page, slug)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    note_sounds(page)
    page.press("Next")
    page.until(lambda: any("for me?" in one for one in _log(page)))
    playing = "return heard.map((one) => !one.paused && one.currentTime > 0)"
    page.until(lambda: page.browser.execute_script(playing) == [True], "the first line is heard")
    _choose(page, "Come in first")
    # Voices do not overlap.
    page.until(lambda: page.browser.execute_script(playing) == [False, True], "the second one")
    page.press("Hear it again: Pell")
    page.until(lambda: len(page.browser.execute_script(playing)) == 3)
    page.until(lambda: page.browser.execute_script(playing) == [False, False, True])


def test_settings_of_a_dialogue_are_kept_and_a_value_is_seen(page):
    slug = fresh_slide(page, "Settings")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.until(lambda: page.all("[data-preview] .zz-person"))
    page.click("[role=tab][data-value=settings]")
    page.words("Replies in random order").click()
    page.find("select[aria-label='Purpose']").send_keys("Practice")
    page.find("select[aria-label='Show value']").send_keys("trust")
    page.see("trust")
    field = page.find("[role=spinbutton][aria-label='Highest trust']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("6")
    assert violations(page) == []
    page.saved()
    [one] = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]["dialogues"]
    assert (one["purpose"], one["random_order"]) == ("practice", True)
    assert [(value["low"], value["high"]) for value in one["shows"]] == [(0, 6)]
