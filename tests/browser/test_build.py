"""The shelf and Build by hand: what the journey does not pass."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page


def _drag(page: Page, source, target) -> None:
    """Drag as a hand does: a first small step, then over to the target."""
    chain = ActionChains(page.browser).click_and_hold(source).move_by_offset(12, 4)
    chain.move_to_element(target).pause(0.2).release().perform()


def _stops(page: Page) -> list[str]:
    return [stop.get_attribute("aria-label").split(" ", 1)[1]
            for stop in page.all("[data-stop-button]")]


def _rows(page: Page) -> list[str]:
    return [row.text.split("\n")[0] for row in page.all("[data-row]")]


def _menu(page: Page, place: int, item: str) -> None:
    def choose() -> bool:
        # The strip may be drawn anew meanwhile, and take the menu with it: then once more.
        stop = page.still(f"[data-stop-button='{place}']")
        ActionChains(page.browser).context_click(stop).perform()
        found = [e for e in page.all("[role=menuitem]") if item in e.text and e.is_displayed()]
        if found:
            found[0].click()
        return bool(found)

    page.until(choose, f"to choose “{item}”")


def _copy(page: Page, title: str) -> None:
    """Open a copy of the demo course, so that the original stays as it is."""
    page.go("/")
    page.find("li h2")
    slug = page.job("/courses/hut-warden-basics/duplicate", {})["course"]
    page.call("PATCH", f"/courses/{slug}", {"title": title})
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")


def test_shelf_rename_duplicate_delete_and_undo(page):
    _copy(page, "On the shelf")
    page.go("/")
    page.press("More about On the shelf")
    page.press("Duplicate")
    page.press("More about On the shelf (copy)")
    page.press("Rename")
    field = page.find("li input")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Shelf life", Keys.ENTER)
    page.words("Shelf life", "a")
    page.press("More about Shelf life")
    page.press("Delete")
    page.see("“Shelf life” was deleted.")
    page.gone("[aria-label='More about Shelf life']")
    page.press("Undo")
    page.find("[aria-label='More about Shelf life']")
    page.until(lambda: page.find("li img").get_property("naturalWidth") > 0)


def test_every_picture_of_the_pages_is_found(page):
    for path in ("/", "/practice", "/courses/the-tool-library/publish"):
        page.go(path)
        page.find("h1")
        page.until(lambda: page.browser.execute_script(
            "return [...document.images].every((image) => image.complete)"))
        broken = page.browser.execute_script(
            "return [...document.images].filter((i) => !i.naturalWidth).map((i) => i.src)")
        assert broken == [], path


def test_slides_are_dragged_renamed_duplicated_and_deleted(page):
    _copy(page, "Slides in hand")
    # Stops find their places once the route was looked through: forks are drawn then.
    page.find("nav[aria-label='Route'] [stroke-dasharray]")
    before = _stops(page)
    _drag(page, page.find("[data-stop-button='1']"), page.find("[data-stop-button='3']"))
    page.until(lambda: _stops(page)[:4] == [before[0], before[2], before[3], before[1]])
    _menu(page, 0, "Duplicate (Ctrl D)")
    page.until(lambda: _stops(page)[1] == "Welcome (copy)")
    _menu(page, 1, "Rename (F2)")
    field = page.find("input[aria-label='Title of the slide']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Once more", Keys.ENTER)
    page.until(lambda: _stops(page)[1] == "Once more")
    _menu(page, 1, "Delete (Del)")
    page.until(lambda: "Once more" not in _stops(page))
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.until(lambda: _stops(page)[1] == "Once more")
    page.saved()
    page.browser.refresh()
    page.until(lambda: _stops(page)[:2] == ["Welcome", "Once more"])


def test_the_running_order_is_dragged_and_moved_by_keyboard(page):
    _copy(page, "Running order")
    page.click("[data-stop-button='6']")
    page.until(lambda: _rows(page)[1:3] == ["Question", "Answer 1"])
    rows = page.all("[data-row]")
    _drag(page, rows[1], rows[3])
    page.until(lambda: _rows(page)[1:4] == ["Answer 1", "Answer 2", "Question"])
    page.row_at(3).send_keys(Keys.ALT, Keys.ARROW_UP)
    page.until(lambda: _rows(page)[1:4] == ["Answer 1", "Question", "Answer 2"])
    page.saved()


def test_several_elements_are_moved_together(page):
    _copy(page, "Together")
    page.click("[data-stop-button='6']")
    page.until(lambda: len(_rows(page)) == 6)
    page.row_at(2).click()
    ActionChains(page.browser).key_down(Keys.SHIFT).click(page.row_at(3)).key_up(
        Keys.SHIFT).perform()
    page.words("2 elements")
    ids = [row.get_attribute("data-row") for row in page.all("[data-row][aria-pressed=true]")]

    def places():
        return [page.find(f"[data-stage] [data-element='{i}']").rect["x"] for i in ids]

    before = places()
    handle = page.find(f"[data-handle='{ids[0]}']")
    ActionChains(page.browser).drag_and_drop_by_offset(handle, 50, 30).perform()
    page.until(lambda: all(now - then > 40 for now, then in zip(places(), before, strict=True)))
    page.saved()


def test_words_are_emphasised_and_listed_in_place(page):
    _copy(page, "Text")
    page.row_at(1).click()
    page.find("[data-stage]").send_keys(Keys.ENTER)
    page.find("[contenteditable=true]").send_keys("One")
    page.press("Bold")
    page.find("[contenteditable=true]").send_keys(" loud")
    page.press("List")
    page.find("[contenteditable=true]").send_keys(Keys.ESCAPE)
    page.gone("[contenteditable=true]")
    item = page.find("[data-stage] .zz-rich ul li")
    assert item.text == "One loud" and page.find("[data-stage] strong").text == "loud"
    page.saved()


def test_a_card_that_is_used_right_after_typing_loses_no_letter(page):
    _copy(page, "In a hurry")
    page.row_at(1).click()
    page.open("Does")
    add_rule = page.button("Add a rule")
    page.find("[data-stage]").send_keys(Keys.ENTER)
    page.until(lambda: page.find("[contenteditable=true]") == page.browser.switch_to.active_element)
    # One chain: the pointer is in the card before the cards have followed what was typed.
    ActionChains(page.browser).send_keys("Quick words, quickly").click(add_rule).perform()
    page.until(lambda: "When" in page.find("[data-pane=cards]").text)
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    page.until(lambda: "Quick words, quickly" in page.find("[data-stage] .zz-slide").text)
    page.saved()
    slug = page.browser.current_url.split("/")[-2]
    slide = page.call("GET", f"/courses/{slug}")["slides"][0]["slide"]
    made = next(e for e in slide["elements"] if "Quick words, quickly" in str(e.get("text")))
    assert made["rules"], "the rule that was added is there too"
