"""A dialogue from an empty slide to the records of an LMS: written, counted, played."""

from selenium.webdriver.common.keys import Keys

from tests.core.test_dialogue_script import LATE_GUEST

from .driver import fit_window
from .packages import inside, put_in_course
from .test_access import violations
from .test_arrange import fresh_slide
from .test_keyboard import palette
from .test_questions import _keys

SCRIPT = "[role=textbox][aria-label='Script of the dialogue']"


def _text(page) -> str:
    """The script as it stands in its field."""
    return page.browser.execute_script(
        "return [...document.querySelectorAll('.cm-line')]"
        ".map((one) => one.textContent).join('\\n')")


def _write(page, text: str) -> None:
    """Write a whole script by keyboard; lines go on as far in as the one before."""
    field = page.find(SCRIPT)
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
    reply = page.until(lambda: next(
        one for one in page.all("main button[data-element]") if words in one.text), words)
    _keys(page, reply, Keys.SPACE)


def test_a_dialogue_is_written_and_met_by_a_learner(page):
    slug = fresh_slide(page, "At night")
    palette(page, "Dialogue")
    page.see("3 turns · 2 endings")
    assert violations(page) == []
    _write(page, LATE_GUEST.replace("if Trust", "if trust").replace("-> The price", "-> The prize"))
    page.see("5 turns · 2 endings")
    page.see("There is no turn “The prize”.")
    page.see("“Inside” breaks off")
    # The line of the mistake is selected, so that it can be written anew.
    page.press("Line 15")
    marked = page.browser.execute_script("return String(getSelection())").strip()
    assert marked == "> The bench costs the same as a bed. -> The prize [if trust >= 2]"
    page.find(SCRIPT).send_keys(
        "  > The bench costs the same as a bed. -> The price [if trust >= 2]")
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
    field = page.find(SCRIPT)
    field.send_keys(Keys.CONTROL, Keys.END)
    for number in range(6):
        field.send_keys(Keys.ENTER, f"Pell: Word {number}.")
        # An answer to what was written before is on its way, or comes while this goes on.
        page.until(lambda n=number: f"Word {n}." in _text(page))
    written = _text(page)
    page.line()
    page.until(lambda: "Word 5." in str(page.call("GET", f"/courses/{slug}")["slides"]), "kept")
    assert _text(page) == written
    page.press("Back to the slide")
    page.go(f"/courses/{slug}/build")
    page.stop(1)
    page.click("[data-dialogue-box] button")
    page.find(SCRIPT)
    page.until(lambda: _text(page).split() == written.split())
