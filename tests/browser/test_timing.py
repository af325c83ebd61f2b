"""Timing and looks on the slide, by hand: cues, playing in place, moves, one look at a time."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page
from .test_resilience import _new_course


def _slide(page: Page, slug: str) -> dict:
    page.saved()
    return page.call("GET", f"/courses/{slug}")["slides"][0]["slide"]


def _element(page: Page, slug: str, name: str) -> dict:
    return next(e for e in _slide(page, slug)["elements"] if e["name"] == name)


def _select(page: Page, name: str) -> None:
    row = page.row(name)
    row.click()
    page.until(lambda: row.get_attribute("aria-pressed") == "true")


def _choose(page: Page, words: str) -> None:
    def choose() -> bool:
        found = [item for item in page.all("[role=menuitem]")
                 if words in item.text and item.is_displayed()]
        if found:
            found[0].click()
        return bool(found)

    page.until(choose, words)


def _now(page: Page) -> int | None:
    value = page.find("[data-now]").get_attribute("data-now")
    return int(value) if value else None


def test_cues_are_set_by_pointer_and_keyboard_and_played_in_place(page):
    slug = _new_course(page, "In time")
    _select(page, "Title")
    page.click("[aria-label='Timing (T)']")
    page.see("Everything is shown from the start.")
    page.click("section[aria-label=Timing] [role=toolbar] button[aria-haspopup=menu]")
    _choose(page, "“Title” appears")
    bar = page.find("[data-cue]")
    for _ in range(3):
        bar.send_keys(Keys.ARROW_RIGHT)
    bar.send_keys(Keys.SHIFT, Keys.ARROW_RIGHT)
    cue = page.find("section[aria-label=Cue]")
    cue.find_element("css selector", "input[type=checkbox]").click()
    page.find("input[aria-label='Until, in seconds']")
    cues = _slide(page, slug)["timing"]["cues"]
    assert [(c["at"], c["until"]) for c in cues] == [(1300, 3300)]

    grip = page.find("[data-cue-grip=until]")
    ActionChains(page.browser).click_and_hold(grip).move_by_offset(30, 0).move_by_offset(
        30, 0).release().perform()
    page.until(lambda: _slide(page, slug)["timing"]["cues"][0]["until"] > 3300)

    element = _element(page, slug, "Title")["id"]
    opacity = ("return getComputedStyle(document.querySelector("
               f"'[data-stage] [data-element={element}]')).opacity")
    ruler = page.find("[data-time-ruler]")
    ruler.send_keys(Keys.HOME)
    page.until(lambda: page.browser.execute_script(opacity) == "0", "nothing at the beginning")
    for _ in range(2):
        ruler.send_keys(Keys.SHIFT, Keys.ARROW_RIGHT)
    page.until(lambda: page.browser.execute_script(opacity) == "1", "there at two seconds")

    ruler.send_keys(Keys.HOME)
    ruler.send_keys(" ")
    page.until(lambda: (_now(page) or 0) > 300, "time to pass")
    ruler.send_keys("m")
    page.until(lambda: _slide(page, slug)["timing"]["cues"][0]["at"] != 1300, "the cue to be set")
    ruler.send_keys(" ")
    ruler.send_keys(Keys.ESCAPE)
    page.until(lambda: page.browser.execute_script(opacity) == "1", "all at once again")
    page.find("[data-cue]").send_keys(Keys.DELETE)
    page.gone("[data-cue]")
    assert _slide(page, slug)["timing"]["cues"] == []


def test_a_move_is_drawn_and_a_look_edited_on_the_slide(page):
    slug = _new_course(page, "Moving")
    _select(page, "Start")
    page.open("Moves")
    page.press("Add a move")
    page.find("[data-path]")
    page.press("Draw the path by hand")
    stage = page.find("[data-stage]")
    chain = ActionChains(page.browser).move_to_element_with_offset(stage, -100, 60).click_and_hold()
    for dx, dy in ((20, -10), (30, -30), (40, -10), (30, 20), (20, 30)):
        chain.move_by_offset(dx, dy)
    chain.release().perform()
    page.until(lambda: _element(page, slug, "Start")["moves"][0]["curved"], "a drawn path")
    path = _element(page, slug, "Start")["moves"][0]["path"]
    assert path[-1]["x"] > 150 and min(point["y"] for point in path) < -30

    page.press("Look")
    _choose(page, "visited")
    page.find("[data-look=visited][aria-pressed=true]")
    page.open("Position and size")
    field = page.find("[data-pane=cards] input[aria-label=Width]")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("333")
    page.see("It overrides size.")
    before = _element(page, slug, "Start")
    assert before["looks"]["visited"]["w"] == 333 and before["w"] != 333
    page.press("Reset to the default look")
    page.see("It overrides nothing yet.")
    page.click("[data-look=default]")
    page.gone("[data-look=visited][aria-pressed=true]")
    assert _element(page, slug, "Start")["w"] == before["w"]
