"""Dialogues that turn on how it went: started by a rule, with conditions, gone back in."""

import pytest
from selenium.webdriver.common.keys import Keys
from zigzag_core.course import Button
from zigzag_core.course.rules.rule import Happens, Rule, StartOver
from zigzag_core.verification.findings.dialogue_room import long_lines

from tests.core.test_dialogue_conditions import BANDS
from tests.core.test_dialogue_playing import course_of

from .driver import fit_window
from .packages import inside, launch, note_sounds, pass_time, put_in, put_in_course
from .test_access import violations
from .test_arrange import fresh_slide
from .test_dialogue import SCRIPT, _text
from .test_dialogue_people import _choose, _log, _talks
from .test_keyboard import palette

LONG = """\
## Door
Pell: Good evening. It is dark, and the next hut is full. Is there a place left?
  > Come in. -> End [trust +3]
  > No. -> End [trust -2]

## End [ending]
Advice: A warm word costs nothing. [if trust >= 3]
Advice: Nobody is sent on after dark. [if trust < 0]
"""


def _with_a_button(document):
    begin = Rule(id="rulea", when=Happens(event="clicked"),
                 do=(StartOver(what="dialogue", dialogue="thedialog"),))
    button = Button(id="buttona", name="Talk", label="Talk to the guest", x=80, y=40, w=300, h=60,
                    rules=(begin,))
    [slide] = document.slides
    return document.model_copy(update={"slides": (
        slide.model_copy(update={"elements": (button,)}),)})


def test_a_dialogue_waits_for_its_rule_and_ends_as_it_went(page, server):
    document = _with_a_button(course_of(BANDS, starts="by_rule", back=True))
    launch(page, server, document)
    page.find("main.zz-view [data-element=buttona]")
    assert not page.all("[role=log]")
    page.press("Talk to the guest")
    page.until(lambda: len(_log(page)) == 1)
    _choose(page, "No.")
    # What is said follows from the value that the reply has just changed.
    page.until(lambda: _log(page)[-1].endswith("Nobody is sent on after dark."))
    assert [one.text for one in page.all(".zz-replies button")] == [
        "Try another reply", "Start the conversation again"]
    assert violations(page) == []
    # Coming back, one may still go back to the last reply.
    said = _log(page)
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: _log(page) == said)
    page.press("Try another reply")
    page.until(lambda: len(_log(page)) == 1)
    _choose(page, "Come in.")
    page.press("Continue")
    page.until(lambda: _log(page)[-1].endswith("All of it was said."))
    page.top()
    page.press("Leave")
    # The LMS has it as an objective of its own, in words.
    page.see("The late guest")
    page.see("completed")
    page.see("100")


RIGHT_TO_LEFT = """\
## الباب
backdrop: front room, evening
Pell (worried): مساء الخير. هل يوجد مكان لليلة؟
  > تفضل بالدخول أولا. -> النهاية [trust +2]
  > لا. -> النهاية

## النهاية [ending good]
نصيحة: كلمة دافئة لا تكلف شيئا.
Advice: تحية، ومقعد، وشيء دافئ.
"""


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)])
def test_from_right_to_left_words_and_replies_begin_at_the_right(page, server, size):
    cast, media = _talks()
    talk = cast.slides[0].dialogues[0]
    document = course_of(RIGHT_TO_LEFT, speakers=talk.speakers, scenery=talk.scenery)
    arabic = document.course.model_copy(update={"language": "ar", "media": cast.course.media})
    put_in(page, server, document.model_copy(
        update={"course": arabic}), media)
    fit_window(page.browser, *size)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.until(lambda: len(_log(page)) == 1)
    # Each line of the log and each reply begins where Arabic begins, and nothing is cut off.
    for words in (".zz-said .zz-rich p", ".zz-reply .zz-box p"):
        assert page.browser.execute_script("""
            const [words] = document.querySelectorAll(arguments[0]);
            const range = document.createRange();
            range.selectNodeContents(words);
            const [first] = range.getClientRects();
            const box = words.getBoundingClientRect();
            return getComputedStyle(words).direction === "rtl"
              && Math.abs(box.right - first.right) < 2 && first.left > box.left;""", words), words
    talk, scene = (page.find(one).rect for one in (".zz-talk", ".zz-scene"))
    if size == (1280, 800):
        assert talk["x"] < scene["x"], "words at the left of the person, as all is mirrored"
    else:
        assert scene["y"] < talk["y"]
    assert violations(page) == []
    _choose(page, "تفضل")
    page.until(lambda: len(_log(page)) == 3)
    # What the learner said stands at the left, as it stands at the right in English.
    reply, line = (page.find(one).rect
                   for one in (".zz-said-reply", ".zz-said:not(.zz-said-reply)"))
    assert reply["x"] + reply["width"] < line["x"] + line["width"]


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)])
def test_a_line_appears_sentence_by_sentence_or_at_once(page, server, size):
    put_in(page, server, course_of(LONG, appears="by_sentence"))
    fit_window(page.browser, *size)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    whole = "Good evening. It is dark, and the next hut is full. Is there a place left?"
    # The log has the whole line from the beginning; what is not said yet is not seen.
    page.until(lambda: page.find(".zz-unsaid"))
    assert page.find(".zz-now p").get_attribute("textContent") == whole
    assert not [one for one in page.all(".zz-replies button") if one.text == "Come in."]
    pass_time(page, 1.2)
    page.until(lambda: page.find(".zz-unsaid").get_attribute("textContent")
               == "Is there a place left?" or not page.all(".zz-unsaid"))
    # Who does not want to wait has all of it.
    for button in page.all(".zz-replies button"):
        if button.text == "Show all of it":
            button.send_keys(Keys.ENTER)
    page.gone(".zz-unsaid")
    _choose(page, "Come in.")
    # Left alone it comes by itself.
    pass_time(page, 30)
    page.gone(".zz-unsaid")
    page.press("Start the conversation again")


def test_who_asked_for_less_motion_has_the_line_at_once(page, server):
    launch(page, server, course_of(LONG, appears="as_spoken"))
    page.find(".zz-unsaid")
    # What the browser is asked for holds in a page, not in frames of other sites.
    alone = page.browser.execute_script("return location.href")
    page.top()
    page.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {
        "features": [{"name": "prefers-reduced-motion", "value": "reduce"}]})
    try:
        page.browser.get(alone)
        page.until(lambda: len(_log(page)) == 1)
        assert not page.all(".zz-unsaid")
        _choose(page, "No.")
    finally:
        page.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": []})


def test_conditions_are_offered_and_settings_kept(page):
    slug = fresh_slide(page, "Turns")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, "a")
    page.paste(BANDS.replace("[if trust = 0]", "").rstrip("\n"))
    page.see("2 turns · 1 ending")
    page.saved()
    field.send_keys(Keys.CONTROL, Keys.END)
    field.send_keys(Keys.ENTER, "Advice: Well done. [if")
    option = page.find("[role=option]")
    assert option.text.startswith("if trust >= 1")
    field.send_keys(Keys.ENTER, "]")
    page.until(lambda: _text(page).rstrip().endswith("Well done. [if trust >= 1]"))
    page.press("Settings")
    page.find("select[aria-label='Starts']").send_keys("When a rule")
    page.find("select[aria-label='Lines appear']").send_keys("Word by word")
    page.words("Learners may try another reply").click()

    def kept():
        [one] = [one for slide in page.call("GET", f"/courses/{slug}")["slides"]
                 for one in slide["slide"].get("dialogues", ())]
        chosen = (one["starts"], one["appears"], one["back"])
        return chosen == ("by_rule", "as_spoken", True) and one

    page.until(kept, "the settings to be kept")
    page.until(lambda: kept()["beats"][-1]["lines"][-1]["condition"][0] == ">=")


def test_lines_are_spoken_by_machine_and_heard_by_learners(page, server):
    slug = fresh_slide(page, "By machine")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.click("[role=tab][data-value=voice]")
    page.press("Speak 3 lines by machine")
    page.see("3 of 3 lines have a voice")
    assert violations(page) == []
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, Keys.HOME)
    field.send_keys(Keys.ARROW_DOWN, Keys.END, Keys.BACKSPACE, " for me tonight?")
    page.see("1 changed since")
    # Only what was changed is spoken again, behind a slow line as well.
    page.line(latency=700)
    page.press("Speak 1 line by machine")
    page.until(lambda: "changed since" not in page.find("[role=status]").text and "3 of 3" in
               page.find("body").text)
    page.line()
    page.saved()
    field.send_keys(Keys.ESCAPE)
    put_in_course(page, slug)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    note_sounds(page)
    page.press("Next")
    page.until(lambda: any("for me tonight?" in one for one in _log(page)))
    page.until(lambda: page.browser.execute_script(
        "return heard.length === 1 && heard[0].duration > 1 && heard[0].currentTime > 0.2"))


def test_who_speaks_by_machine_is_chosen_and_undone(page):
    slug = fresh_slide(page, "Machine")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.click("[role=tab][data-value=cast]")
    page.open("Voice by machine")
    page.find("select[aria-label='Voice']").send_keys("Higher voice 2")

    def voice():
        return next(one["speakers"][0]["voice"]["voice"]
                    for slide in page.call("GET", f"/courses/{slug}")["slides"]
                    for one in slide["slide"].get("dialogues", ()))

    page.until(lambda: voice() == "high2", "the voice to be kept")
    page.find("select[aria-label='Voice']").send_keys(Keys.CONTROL, "z")
    page.until(lambda: voice() == "", "the voice to be as before")


def _scrolls(page):
    """By how much (px of the slide) the newest line is higher than the log shows of it."""
    return page.browser.execute_script("""
        const [log, line] = [document.querySelector(".zz-log"), document.querySelector(".zz-now")];
        return line.offsetHeight - log.clientHeight;""")


def test_lines_that_are_told_to_be_too_long_have_to_be_scrolled(page, server):
    """What the check of the course says of a line is what learners meet."""
    def talk(words):
        return course_of(
            f"## Door\nPell: {' '.join(words)}\n  > Come in. -> Well\n  > No. -> Well\n\n"
            "## Well [ending good]\nPell: Good.\n", w=700, h=420)

    told = (LONG.split("\n")[1].split(": ")[1] + " ").split() * 40
    fits = max(n for n in range(1, 200)
               if not list(long_lines(talk(told[:n]).slides[0].dialogues[0])))
    for share, scrolls in ((0.85, False), (1.25, True)):
        launch(page, server, talk(told[:round(fits * share)]))
        page.find(".zz-now")
        assert (_scrolls(page) > 4) is scrolls, (share, _scrolls(page))
        page.top()
