"""Finding one's way in Build: settings by other words, numbers as sums, room for the slide."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from ..running import ROOT
from .test_arrange import add, fresh_slide
from .test_does import FRAME
from .test_keyboard import palette


def _focused(page) -> str:
    return page.browser.execute_script("""
        const field = document.activeElement;
        return field.ariaLabel ?? field.labels?.[0]?.textContent ?? field.textContent;""")


def _number(page, label: str) -> float:
    return float(page.find(f"input[aria-label='{label}']").get_property("value"))


SETTINGS = [
    ("transparent", "Opacity (%)"), ("retry", "Attempts"), ("alt text", "Text alternative"),
    ("rounded", "Corner radius"), ("solution", "Show the correct answers at the end"),
    ("hidden at first", "Shown"), ("branching", "Next leads to"), ("aspect ratio", "Slide size"),
]


def test_a_setting_is_found_by_another_word_for_it_and_opened(page):
    fresh_slide(page, "Settings")
    palette(page, "Single choice")
    page.find("section[aria-label^='Judges']")
    add(page, "Area")
    for typed, field in SETTINGS:
        page.find("[data-stage]").send_keys("/")
        page.find("[role=combobox]").send_keys(typed, Keys.ENTER)
        page.until(lambda field=field: _focused(page).startswith(field), f"{field} has the focus")
        assert page.browser.execute_script("return document.scrollingElement.scrollTop") == 0


def _documented() -> list[tuple[str, str]]:
    """What is typed, and what is found, of each line in `docs/finding.md`."""
    lines = (ROOT / "docs" / "finding.md").read_text("utf-8").splitlines()
    cells = [[cell.strip() for cell in line.strip("|").split("|")] for line in lines
             if line.startswith("| ")]
    return [(typed, found) for _, typed, found in cells[2:]]


def test_fifty_things_are_found_by_the_words_that_they_are_asked_for_with(page):
    fresh_slide(page, "Fifty")
    page.find("[data-stage]").send_keys("/")
    field = page.find("[role=combobox]")
    missed = []
    for typed, found in _documented():
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(typed)
        page.until(lambda typed=typed: field.get_property("value") == typed)
        first = page.browser.execute_script(
            "return document.querySelector('[role=option] p')?.textContent ?? ''")
        if first != found:
            missed.append((typed, found, first))
    assert len(_documented()) == 50 and missed == []


def test_numbers_are_typed_as_sums_stepped_and_pulled_by_their_label(page):
    fresh_slide(page, "Numbers")
    add(page, "Rectangle")
    page.open("Position and size")
    field = page.find("input[aria-label='Left']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("1280/2 - 40,5", Keys.TAB)
    page.until(lambda: _number(page, "Left") == 599.5)
    field.send_keys("+", Keys.TAB)
    page.until(lambda: _number(page, "Left") == 599.5)
    field.send_keys(Keys.ARROW_UP, Keys.SHIFT, Keys.ARROW_DOWN)
    page.until(lambda: _number(page, "Left") == 590.5)
    label = page.browser.execute_script(
        "return arguments[0].closest('[data-labelled]').querySelector('p')", field)
    ActionChains(page.browser).click_and_hold(label).move_by_offset(40, 0).release().perform()
    page.until(lambda: _number(page, "Left") == 600.5)
    # What is small is not rounded away.
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("0.0004", Keys.TAB)
    page.until(lambda: _number(page, "Left") == 0.0004)
    # A step over the bound ends at it.
    field = page.find("input[aria-label='Opacity (%)']")
    field.send_keys(Keys.ARROW_UP)
    page.until(lambda: _number(page, "Opacity (%)") == 100)
    page.saved()


def test_the_slide_gets_all_the_room_and_panels_stay_as_they_were_left(page):
    fresh_slide(page, "Room")
    stage = page.find("[data-stage]")
    before = stage.size["width"]
    stage.send_keys("w")
    page.gone("[data-pane=cards]")
    page.gone("[data-pane=order]")
    page.gone("footer")
    page.until(lambda: stage.size["width"] > 1.4 * before)
    page.find("nav[aria-label='Route']")
    stage.send_keys(Keys.ALT, Keys.ARROW_LEFT)
    page.see("Slide 1 of 2")
    page.find("[data-stage]").send_keys("w")
    page.find("[data-pane=cards]")
    edge = page.find("[role=separator][aria-label='Width of the cards']")
    edge.send_keys(Keys.ARROW_LEFT * 3)
    page.until(lambda: page.find("[data-pane=cards]").size["width"] == 344)
    page.click("[aria-label='Hide this panel']")
    page.gone("[data-pane=order]")
    page.browser.refresh()
    page.until(lambda: page.find("[data-pane=cards]").size["width"] == 344)
    assert not page.all("[data-pane=order]")
    page.click("[aria-label='Show the panel on the left']")
    page.find("[data-pane=order]")


def test_the_shortcuts_lead_to_the_search(page):
    fresh_slide(page, "Help")
    page.find("[data-stage]").send_keys("?")
    page.see("ename, in the running order")
    page.press("Search commands and settings")
    page.find("[role=combobox]").send_keys("autoplay", Keys.ENTER)
    page.see("Nothing on this slide has the setting “Start”.")


def test_what_is_hidden_at_first_or_under_a_condition_is_there_when_it_should_be(page):
    slug = fresh_slide(page, "Hidden")
    for word in ("Button", "Heading", "Text"):
        add(page, word)
    page.row("Heading").click()
    Select(page.find("select[aria-label='Shown']")).select_by_visible_text("Hidden at first")
    page.until(lambda: "hidden at first" in page.row("Heading").text)
    page.row("Text").click()
    Select(page.find("select[aria-label='Shown']")).select_by_visible_text("Only when …")
    page.until(lambda: "shown only when a condition holds" in page.row("Text").text)
    page.row("Button").click()
    Select(page.find("select[aria-label='What to do']")).select_by_visible_text("show")
    Select(page.find("select[aria-label='What']")).select_by_visible_text("Heading")
    page.saved()
    page.go(f"/courses/{slug}/rehearse?from={_slide_at(page)}")
    page.frames(FRAME)
    page.find("main button")
    assert len(page.all("main [data-element]")) == 2
    page.press("Button")
    page.until(lambda: len(page.all("main [data-element]")) == 4)
    # Going back and coming again changes nothing of it.
    page.press("Back")
    page.see("Slide 1 of")
    page.press("Next")
    page.until(lambda: len(page.all("main [data-element]")) == 4)


def _slide_at(page) -> str:
    return page.browser.execute_script(
        "return document.querySelector('[data-stop] [aria-current=page]')"
        ".closest('[data-stop]').dataset.stop")


def test_tips_come_by_pointer_and_keyboard_and_go_with_escape(page):
    fresh_slide(page, "Tips")
    add(page, "Button")
    tool = page.find("[data-pane=cards] button[aria-label='Duplicate (Ctrl D)']")
    ActionChains(page.browser).move_to_element(tool).perform()
    page.until(lambda: page.find("[role=tooltip]").text == "Duplicate (Ctrl D)")
    ActionChains(page.browser).move_to_element(page.find("[data-tip='Snap to edges and spacing'], "
                                                         "[data-stage]")).perform()
    page.until(lambda: not any(
        tip.text == "Duplicate (Ctrl D)" for tip in page.all("[role=tooltip]")))
    # The keyboard brings them, too; Escape takes them away.
    page.find("input[aria-label='Name (only you see it)']").send_keys(Keys.TAB)
    page.until(lambda: page.find("[role=tooltip]").text == page.browser.switch_to.active_element
               .get_attribute("aria-label"))
    page.browser.switch_to.active_element.send_keys(Keys.ESCAPE)
    page.gone("[role=tooltip]")
    # What a field means is shown beside it while it has the focus, and read out.
    page.row("Button").click()
    page.chosen("Button")
    page.open("Does")
    page.until(lambda: page.browser.execute_script(
        "arguments[0].focus(); return true", page.find("select[aria-label='Shown']")))
    field = page.find("select[aria-label='Shown']")
    tip = page.find("[role=tooltip]")
    described = page.browser.execute_script("""
        const group = arguments[0].closest("[aria-describedby]");
        return document.getElementById(group.getAttribute("aria-describedby")).textContent;
    """, field)
    assert tip.text == described
    box, beside = tip.rect, field.rect
    assert box["x"] + box["width"] <= beside["x"] and box["x"] >= 0
    page.browser.execute_script("arguments[0].blur()", field)
    page.gone("[role=tooltip]")
