"""Build without a pointer: from part to part, selecting, placing, judging, leading on."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page
from .test_arrange import add, fresh_slide

NAMES = ("return [...document.querySelectorAll(arguments[0])]"
         ".map(row => row.querySelector('p').textContent)")


def _keys(page: Page, *keys: str) -> None:
    page.browser.switch_to.active_element.send_keys(*keys)


def _slide(page: Page, slug: str) -> dict:
    page.saved()
    return page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]


def palette(page: Page, word: str) -> None:
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    _keys(page, "/")
    page.find("[role=combobox][aria-label='What to add or do']")
    _keys(page, word)
    page.until(lambda: word in page.find("[role=option][aria-selected=true]").text)
    _keys(page, Keys.ENTER)
    page.gone("[role=combobox][aria-label='What to add or do']")


def test_several_are_selected_lined_up_and_placed_exactly(page):
    slug = fresh_slide(page, "Without a pointer")
    for _ in range(2):
        add(page, "Button")
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    _keys(page, Keys.ESCAPE)
    panes = []
    for _ in range(4):
        _keys(page, Keys.F6)
        panes.append(page.browser.execute_script(
            "return document.activeElement.closest('[data-pane]').dataset.pane"))
    assert panes == ["cards", "strip", "order", "slide"]

    page.browser.execute_script("document.querySelectorAll('[data-row]')[1].focus()")
    _keys(page, Keys.SHIFT, Keys.ARROW_DOWN)
    chosen = "[data-row][aria-pressed=true]"
    page.until(lambda: page.browser.execute_script(NAMES, chosen) == ["Button", "Button 2"])
    palette(page, "left 240")
    page.until(lambda: [e["x"] for e in _slide(page, slug)["elements"][1:]] == [240, 240])
    palette(page, "Align right")
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    _keys(page, Keys.ESCAPE)
    _keys(page, Keys.TAB, Keys.TAB)
    page.until(lambda: page.browser.execute_script(NAMES, chosen) == ["Button"])
    palette(page, "When clicked, go to Welcome")
    page.until(lambda: [
        action["go"]["to"] for rule in _slide(page, slug)["elements"][1]["rules"]
        for action in rule["do"]] == ["slide"])


def test_titles_follow_layouts_take_pictures_and_answers_are_judged(page):
    slug = fresh_slide(page, "Followed")
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    _keys(page, Keys.TAB)
    _keys(page, Keys.ENTER)
    page.find("[contenteditable=true]")
    ActionChains(page.browser).key_down(Keys.CONTROL).send_keys("a").key_up(
        Keys.CONTROL).send_keys("The bell", Keys.ESCAPE).perform()
    page.until(lambda: _slide(page, slug)["title"] == "The bell")
    palette(page, "Single choice")
    page.until(lambda: len(page.all("[data-row]")) == 6)
    _keys(page, Keys.ESCAPE)
    for _ in range(4):
        _keys(page, Keys.TAB)
    page.until(lambda: page.browser.execute_script(
        NAMES, "[data-row][aria-pressed=true]") == ["Answer 2"])
    palette(page, "Mark as correct")
    page.until(lambda: [c["right"] for c in _slide(page, slug)["questions"][0]["choices"]]
               == [False, True, False])
    palette(page, "New slide: Text and picture")
    page.until(lambda: len(page.all("[data-stop-button]")) == 3)
    page.until(lambda: len(page.all("[data-row]")) == 3)
    palette(page, "Lantern")
    page.until(lambda: page.find("[data-pane=order]").text.count("Picture") == 1 and page.all(
        "[data-stage] img"), "the picture in its place")
    page.saved()
    elements = page.call("GET", f"/courses/{slug}")["slides"][2]["slide"]["elements"]
    assert [e["kind"] for e in elements] == ["text", "text", "picture"]
    assert elements[2]["media"]
