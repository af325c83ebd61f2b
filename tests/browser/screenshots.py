"""`make screenshots`: a current picture of each main view, made from the demo data."""

import sys
import tempfile
from pathlib import Path

from selenium.webdriver.common.keys import Keys

from ..running import ROOT, Server
from .driver import Page, chromium, fit_window

FOLDER = ROOT / "docs" / "screenshots"
COURSE = "/courses/hut-warden-basics"
PACKAGE = ("iframe[title='The package']", "iframe")


def main() -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as data:
        server = Server(Path(data))
        server.manage("migrate", "--verbosity", "0")
        server.manage("demo")
        server.start()
        browser = chromium()
        try:
            _take(Page(browser, server.address))
        finally:
            browser.quit()
            server.stop()


def _shot(page: Page, name: str) -> None:
    page.top()
    _settled(page)
    page.browser.save_screenshot(str(FOLDER / f"{name}.png"))


def _settled(page: Page) -> None:
    """Wait for fonts and pictures, and for two frames without a change of layout."""
    page.browser.execute_async_script("""
        const done = arguments[arguments.length - 1];
        const pictures = [...document.images].filter(i => !i.complete)
          .map(i => new Promise(r => { i.onload = i.onerror = r; }));
        Promise.all([document.fonts.ready, ...pictures]).then(() =>
          requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 400))));
    """)


def _take(page: Page) -> None:
    page.go("/")
    page.words("Hut Warden Basics", "a")
    _shot(page, "shelf")

    page.go(f"{COURSE}/plan")
    page.until(lambda: len(page.all("[data-route-stop]")) > 20)
    _shot(page, "plan")

    page.go(f"{COURSE}/build")
    page.click("[data-stop-button='5']")
    page.until(lambda: len(page.all("[data-row]")) > 4)
    page.until(lambda: page.row_at(4).click() is None)
    page.find("select[aria-label='Where to go']")
    page.click("section[aria-label^='Looks'] h3 button")
    _shot(page, "build")
    page.click("section[aria-label^='Looks'] h3 button")

    page.click("[data-stop-button='6']")
    page.row("Question")
    page.row_at(2).click()
    page.find("section[aria-label^='Judges']")
    _shot(page, "question")

    page.stop(19)
    page.row("Valley path").click()
    page.find("section[aria-label^='Judges']")
    _shot(page, "judges")
    page.go(f"{COURSE}/plan")
    page.press("Script")
    page.until(lambda: len(page.all("[data-script-row]")) > 50)
    page.find("[aria-label='Find in the script']").send_keys("the")
    _shot(page, "script")

    page.go("/courses/the-tool-library/build")
    page.click("[data-stop-button='2']")
    page.row("Hammer").click()
    page.click("[data-look=selected]")
    page.see("The look “selected”")
    _shot(page, "looks")
    page.go(f"{COURSE}/build")
    page.stop(10)
    page.click("[aria-label='Timing (T)']")
    page.until(lambda: len(page.all("[data-cue]")) == 4)
    page.all("[data-cue]")[1].click()
    _shot(page, "timing")
    page.click("[aria-label='Close the timing (T)']")

    page.click("[data-stop-button='8']")
    page.until(lambda: "Offer the bench" in page.find("[data-stage]").text)
    page.open("Theme")
    theme = page.find("section[aria-label='Theme']")
    page.browser.execute_script("arguments[0].scrollIntoView()", theme)
    _shot(page, "theme")

    page.press("Media")
    page.click("[data-stop-button='7']")
    page.until(lambda: page.all("button[title='Put on the slide']"))
    page.see("on slide")
    _shot(page, "media")
    page.press("Running order")
    page.click("[data-stop-button='6']")
    page.until(lambda: len(page.all("[data-row]")) == 6)

    page.find("[data-stage]").send_keys("r")
    page.frames("iframe[title='The course']")
    page.click("label.zz-choice")
    page.press("Submit")
    page.find("[role=dialog]")
    _shot(page, "rehearse")
    address = page.find("iframe[title='The course']").get_attribute("src")

    page.go(f"{COURSE}/publish")
    page.press("Publish as SCORM 1.2")
    page.press("Contents")
    page.see("imsmanifest.xml")
    page.find("[data-ending=wrong]")
    _shot(page, "publish")

    page.press("Try it in the practice LMS")
    page.press("Launch as Ines Tarrow")
    page.frames(*PACKAGE)
    page.press("Start the day")
    page.press("Kitchen")
    page.press("Next")
    page.press("Next")
    page.click("label.zz-choice")
    page.press("Submit")
    page.find("[role=dialog] button").click()
    page.gone("[role=dialog]")
    page.press("Next")
    page.top()
    page.see("The result of answer 1")
    _shot(page, "run")
    page.press("Leave")
    page.until(lambda: "not finished yet" in page.find("tr[data-learner=ines-tarrow]").text)
    page.see("says goodbye")
    page.find("[data-where=ines-tarrow]")
    _shot(page, "results")

    _dialogue(page)

    page.browser.set_window_size(500, 900)
    page.browser.get(address.split("#")[0])
    page.press("Start the day")
    page.words("Slide 2 of 59")
    _shot(page, "phone")

    fit_window(page.browser)
    page.go(f"{COURSE}/plan")
    _quiz(page)
    _shot(page, "quiz")
    _bank(page)
    _shot(page, "banks")


def _dialogue(page: Page) -> None:
    """A dialogue as its author writes it, and as a learner meets it."""
    titles = [one["slide"]["title"] for one in page.call("GET", COURSE)["slides"]]
    page.go(f"{COURSE}/build")
    page.stop(titles.index("A guest at night"))
    page.click("[data-dialogue-box] button")
    page.see("14 turns")
    script = page.find("[role=textbox][aria-label='Script of the dialogue']")
    script.send_keys(Keys.CONTROL, Keys.HOME)
    script.send_keys(*[Keys.ARROW_DOWN] * 24)
    page.until(lambda: len(page.all("[data-preview] .zz-person")) == 2)
    _shot(page, "dialogue")
    page.press("Back to the slide")
    page.find("[data-stage]").send_keys("r")
    page.frames("iframe[title='The course']")
    for words in ("Come in first", "Continue", "First something warm"):
        page.press(words)
    page.until(lambda: len(page.all(".zz-said")) > 4)
    _shot(page, "dialogue-played")


def _quiz(page: Page) -> None:
    """The quiz at the end of the course, with the slides of one of its sets."""
    page.click("[aria-label^='Quiz “Before']")
    page.click("[data-set] [aria-label='Show the slides of Guests']")
    page.find("[data-numbers=new]")


def _bank(page: Page) -> None:
    """A bank with the questions of one of the sets."""
    course = page.call("GET", COURSE)
    weather = course["course"]["sections"][-1]["quiz"]["sets"][0]["slides"]
    bank = page.call("POST", "/banks", {"name": "Safety"})["id"]
    page.call("POST", f"/banks/{bank}/questions", {"course": course["course"], "slides": [
        one["slide"] for one in course["slides"] if one["slide"]["id"] in weather]})
    page.go("/banks")
    page.until(lambda: len(page.all("[data-bank-question]")) == len(weather))


if __name__ == "__main__":
    sys.exit(main())
