"""No violation of axe's rules on any main view, nor in the player."""

import json
from pathlib import Path

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from .driver import Page

AXE = (Path(__file__).resolve().parents[2] / "web/node_modules/axe-core/axe.min.js").read_text()
COURSE = "/courses/hut-warden-basics"


@pytest.fixture
def page(server, shared_browser):
    """One browser for all of these: they look, and leave nothing behind."""
    shared_browser.switch_to.default_content()
    page = Page(shared_browser, server.address)
    page.go("/")
    shared_browser.execute_script("localStorage.clear()")
    shared_browser.set_window_size(1280, 940)
    return page


def violations(page: Page) -> list[str]:
    """What axe finds in the frame that the browser is in, one line each."""
    # Frames are looked into one by one, since they are of another origin.
    found = page.browser.execute_async_script(AXE + """
        const done = arguments[arguments.length - 1];
        const where = v => v.nodes.slice(0, 3).map(n => n.html.slice(0, 160)).join(' | ');
        // A colour in the middle of a transition is nobody's colour.
        const changing = document.getAnimations()
          .filter(a => Number.isFinite(a.effect.getComputedTiming().endTime));
        Promise.allSettled(changing.map(a => a.finished))
          .then(() => axe.run(document, {iframes: false})).then(r => done(JSON.stringify(
          r.violations.map(v => `${v.id}: ${v.help}: ${where(v)}`))));
    """)
    return json.loads(found)


def test_shelf_and_its_forms(page):
    page.go("/")
    page.find("a[href*='/courses/']")
    assert violations(page) == []
    page.press("New course")
    page.find("input[aria-label='Title']")
    assert violations(page) == []


@pytest.mark.parametrize("what", [
    "slide", "text", "question", "button", "palette", "several", "picture", "input", "colour",
    "Media", "Find and replace (Ctrl F)", "Version history", "drawings", "rulers",
    "timing", "look", "typed condition",
])
def test_build(page, what):
    page.go(f"{COURSE}/build")
    page.click("[data-stop-button='6']")
    page.until(lambda: len(page.all("[data-row]")) == 6)
    if what in ("text", "question"):
        page.row_at(1 if what == "text" else 2).click()
        page.find("section[aria-label^='Judges']")
    elif what == "button":
        page.click("[data-stop-button='0']")
        page.until(lambda: len(page.all("[data-row]")) == 5)
        page.row_at(2).click()
        page.find("select[aria-label='Where to go']")
    elif what == "palette":
        page.find("[data-stage]").send_keys("/")
        page.find("[role=listbox]")
    elif what == "several":
        page.find("[data-stage]").send_keys(Keys.CONTROL, "a")
        page.words("Align to")
    elif what == "picture":
        page.click("[data-stop-button='7']")
        page.until(lambda: "Pell" in page.row_at(1).text)
        page.row_at(1).click()
        page.find("select[aria-label='Mask']")
    elif what == "input":
        page.stop(40)
        page.row("Hut book").click()
        page.find("select[aria-label='Stored in']")
    elif what == "colour":
        page.click("[data-stop-button='0']")
        page.click("button[aria-label^='Colour:']")
        page.find("[aria-label='Any colour']")
    elif what == "drawings":
        page.press("Media")
        Select(page.find("select[aria-label='From']")).select_by_visible_text("Drawings")
        page.find("button[aria-label='Boot']")
    elif what == "timing":
        page.click("[aria-label='Timing (T)']")
        page.see("Everything is shown from the start.")
        page.go("/courses/the-tool-library/build")
        page.click("[data-stop-button='3']")
        page.click("[aria-label='Timing (T)']")
        page.click("[data-cue]")
        page.find("section[aria-label=Cue]")
    elif what == "look":
        page.click("[data-stop-button='1']")
        page.row("Stove").click()
        page.click("[data-look=visited]")
        page.see("The look “visited”")
    elif what == "typed condition":
        page.click("[data-stop-button='0']")
        page.until(lambda: len(page.all("[data-row]")) == 5)
        page.row_at(2).click()
        page.press("Type the condition")
        page.until(lambda: page.find("textarea[aria-label=Condition]").get_property("value")
                   == "yes")
    elif what == "rulers":
        page.press("Rulers and guides")
        page.press("Grid")
        page.find("[data-ruler]")
    elif what != "slide":
        page.press(what)
    assert violations(page) == []


@pytest.mark.parametrize("scheme", ["light", "dark"])
@pytest.mark.parametrize("path", [
    "/", f"{COURSE}/plan", f"{COURSE}/build", f"{COURSE}/publish", f"{COURSE}/rehearse",
    "/practice", "/account",
])
def test_every_view_in_light_and_dark(page, path, scheme):
    page.go("/")
    page.browser.execute_script("localStorage.setItem('zigzag:scheme', arguments[0])", scheme)
    page.go(path)
    page.find("main")
    page.gone("[role=status][aria-label=Loading]")
    if path.endswith("plan"):
        page.until(lambda: len(page.all("[data-route-stop]")) > 20)
    if path.endswith("rehearse"):
        page.see("Slides visited")
    if path.endswith("publish"):
        page.see("Place, answers and variables are saved")
    assert violations(page) == []


@pytest.fixture(scope="module")
def player(server, shared_browser):
    """Opens slides of the course, by their numbers, in the player alone."""
    page = Page(shared_browser, server.address)
    page.go("/")
    address = page.call("POST", f"{COURSE}/preview")["url"]
    slides = page.call("GET", COURSE)["course"]["slides"]

    def go_to(number):
        page.browser.get("about:blank")
        page.browser.get(f"{address}#from={slides[number]}")
        page.find(".zz-stage")

    return go_to


@pytest.mark.parametrize("number", [
    0, 1, 3, 6, 7, 8, 12, 15, 18, 20, 22, 27, 29, 32, 35, 38, 39, 44, 60, 77, 82, 83])
def test_player(page, player, number):
    player(number)
    assert violations(page) == []
    if number == 6:
        page.click("label.zz-choice")
        page.press("Submit")
        page.find("[role=dialog]")
        assert violations(page) == []
    if number == 0:
        page.press("Slides")
        page.find(".zz-menu")
        assert violations(page) == []


def test_the_player_by_keyboard_alone(page):
    page.go(f"{COURSE}/build")
    page.click("[data-stop-button='6']")
    page.find("body").send_keys("r")
    page.frames("iframe[title='The course']")
    first = page.find("input[type=radio]")
    first.send_keys(Keys.SPACE)
    page.browser.switch_to.active_element.send_keys(Keys.ARROW_DOWN)
    chosen = page.until(lambda: [r for r in page.all("input[type=radio]") if r.is_selected()])
    assert len(chosen) == 1
    page.browser.switch_to.active_element.send_keys(Keys.TAB)
    assert page.browser.switch_to.active_element.text == "Submit"
    page.browser.switch_to.active_element.send_keys(Keys.ENTER)
    page.until(lambda: page.browser.switch_to.active_element.get_attribute("role") == "dialog")
    page.browser.switch_to.active_element.send_keys(Keys.ESCAPE)
    page.gone("[role=dialog]")
    assert page.browser.switch_to.active_element.tag_name in ("main", "button")


def test_the_player_fits_a_phone(page):
    page.go(f"{COURSE}/build")
    page.find("[data-stage]").send_keys("r")
    address = page.find("iframe[title='The course']").get_attribute("src")
    page.browser.set_window_size(400, 860)
    page.browser.get(address)
    page.find(".zz-stage")
    wide = page.browser.execute_script(
        "return [document.documentElement.scrollWidth, innerWidth]")
    assert wide[0] <= wide[1]
    buttons = [b for b in page.browser.find_elements(By.CSS_SELECTOR, ".zz-bar button")
               if b.is_displayed()]
    assert len(buttons) >= 3
    for button in buttons:
        assert button.size["height"] >= 24 and button.size["width"] >= 24
        assert button.rect["x"] + button.rect["width"] <= wide[1]
