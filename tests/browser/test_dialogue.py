"""A dialogue from an empty slide to the records of an LMS: written, counted, played."""

from selenium.webdriver.common.keys import Keys

from tests.core.test_dialogue_script import LATE_GUEST

from .driver import fit_window
from .packages import inside, put_in_course
from .test_access import violations
from .test_arrange import fresh_slide
from .test_keyboard import palette
from .test_questions import _keys, _labelled


def _write(page, text: str) -> None:
    """Write a whole script by keyboard; lines go on as far in as the one before."""
    field = page.find("textarea[aria-label='Script of the dialogue']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(Keys.DELETE)
    indent = 0
    for number, line in enumerate(text.rstrip("\n").split("\n")):
        if number:
            field.send_keys(Keys.ENTER)
        wanted = (len(line) - len(line.lstrip())) // 2
        for _ in range(wanted - indent):
            field.send_keys(Keys.TAB)
        for _ in range(indent - wanted):
            field.send_keys(Keys.SHIFT, Keys.TAB)
        field.send_keys(line.strip())
        indent = wanted


def _says(page, *words: str) -> None:
    for one in words:
        page.until(lambda one=one: one in page.find("main").text, one)


def _reply(page, words: str) -> None:
    """Give a reply by keyboard."""
    page.until(lambda: any(words in one.text for one in page.all("main [data-element]")))
    _keys(page, _labelled(page, words), Keys.SPACE)


def test_a_dialogue_is_written_and_met_by_a_learner(page):
    slug = fresh_slide(page, "At night")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    assert violations(page) == []
    _write(page, LATE_GUEST.replace("if Trust", "if trust").replace("-> The price", "-> The prize"))
    page.see("5 turns · 2 endings")
    page.see("There is no turn “The prize”.")
    page.see("“Inside” breaks off")
    field = page.find("textarea[aria-label='Script of the dialogue']")
    # The line of the mistake is selected, so that it can be written anew.
    page.press("Line 15")
    assert page.browser.execute_script(
        "return arguments[0].value.slice(arguments[0].selectionStart, arguments[0].selectionEnd)",
        field).strip() == "> The bench costs the same as a bed. -> The prize [if trust >= 2]"
    field.send_keys("  > The bench costs the same as a bed. -> The price [if trust >= 2]")
    page.see("Nothing is wrong with it.")
    page.see(["3", "ways to an ending"][1])
    assert violations(page) == []
    page.saved()
    page.press("Back to the slide")
    page.click("button[aria-label='Rehearse'], a[href$='/rehearse']")
    page.frames("iframe[title='The course']")
    page.find("main.zz-view")
    page.top()
    put_in_course(page, slug)
    fit_window(page.browser, 390, 844)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.find("main.zz-view")
    page.press("Next")
    _says(page, "It is dark, and the next hut is full.")
    _reply(page, "How far have you walked?")
    _says(page, "My boots are wet through.")
    page.press("Continue")
    _reply(page, "Come in first. Then we see.")
    _says(page, "Sit by the stove.")
    # Whoever leaves comes back to the same line.
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    _says(page, "Sit by the stove.")
    page.press("Continue")
    _reply(page, "There is the bench, and soup.")
    _says(page, "A greeting, a seat, something warm.")
    assert violations(page) == []


def test_what_is_written_behind_slow_answers_stays_and_is_kept(page):
    slug = fresh_slide(page, "On a slow line")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    page.line(latency=900)
    field = page.find("textarea[aria-label='Script of the dialogue']")
    field.send_keys(Keys.CONTROL, Keys.END)
    for number in range(6):
        field.send_keys(Keys.ENTER, f"Pell: Word {number}.")
        # An answer to what was written before is on its way, or comes while this goes on.
        page.until(lambda n=number: f"Word {n}." in field.get_attribute("value"))
    written = field.get_attribute("value")
    page.line()
    page.until(lambda: "Word 5." in str(page.call("GET", f"/courses/{slug}")["slides"]), "kept")
    assert field.get_attribute("value") == written
    page.press("Back to the slide")
    page.go(f"/courses/{slug}/build")
    page.stop(1)
    page.click("[data-dialogue-box] button")
    field = page.find("textarea[aria-label='Script of the dialogue']")
    assert field.get_attribute("value").split() == written.split()
