"""Making slides respond, and rehearsing what they do, with a real browser."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select

from .test_arrange import add, fresh_slide
from .test_build import _rows

FRAME = "iframe[title='The course']"


def _rehearse(page):
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.ESCAPE, Keys.ESCAPE, "r")
    page.frames(FRAME)


def _seen(page, text):
    return any(text in e.text and e.is_displayed() for e in page.all("main .zz-element"))


def _choose(page, label, word, within=None):
    def done():
        root = within() if within else page.browser
        found = root.find_elements("css selector", f"select[aria-label='{label}']")
        if found:
            Select(found[-1]).select_by_visible_text(word)
        return bool(found)

    page.until(done, f"to choose “{word}”")


def test_tabs_with_a_counter_and_a_gate_are_made_rehearsed_and_explained(page):
    fresh_slide(page, "Tabs")
    add_pattern(page, "Tabs", "First, panel")
    page.press("What it does, as rules")
    page.see("“First” is clicked")
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    add_pattern(page, "Seen counter", "Counter")
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    _choose(page, "When may learners go on?", "Only when …")
    page.press("Add a slide")
    page.click("[data-stop-button='1']")
    page.saved()
    _rehearse(page)
    page.until(lambda: _seen(page, "What “First” reveals"))
    assert not _seen(page, "What “Second” reveals")
    page.press("Second")
    page.until(lambda: _seen(page, "What “Second” reveals"))
    assert not _seen(page, "What “First” reveals")
    assert page.button("Second").get_attribute("aria-expanded") == "true"
    page.until(lambda: _seen(page, "1 still to see"))
    page.press("Next")
    page.see("Look at everything on this slide first.")

    # Why does Next not lead on? The gate says what it waits for.
    page.top()
    page.press("Why?")
    page.frames(FRAME)
    page.click(".zz-main")
    page.top()
    why = page.find("section[aria-label='Why']")
    page.until(lambda: "still to click: “Third”" in why.text)

    # A moment earlier the first tab was open.
    moments = page.all("[data-moments] button")
    assert "“Second” clicked" in [m.text.split(" · ")[0] for m in moments]
    moments[0].click()
    page.frames(FRAME)
    page.until(lambda: _seen(page, "What “First” reveals"))
    page.press("Third")
    page.until(lambda: _seen(page, "What “Third” reveals"))
    page.top()
    page.find("input[aria-label='Name of the walkthrough']").send_keys("To the third")
    page.press("Keep this path")
    page.saved()
    page.find("[data-walkthrough]")
    page.see("as recorded")

    # The third tab no longer does what the walkthrough has seen it do.
    page.press("Back to Build")
    page.until(lambda: "Third" in _rows(page))
    page.until(lambda: next(r for r in page.all("[data-row]") if r.text.startswith("Third\n")
                            ).click() or True)
    page.press("Take Third out of the pattern")
    page.saved()
    page.find("[data-stage]").send_keys(Keys.ESCAPE, "r")
    page.see("“First, panel” is no longer hidden")


def add_pattern(page, word, row):
    page.find("[data-stage]").send_keys("/")
    page.find("[role=combobox]").send_keys(word, Keys.ENTER)
    page.until(lambda: row in _rows(page), f"{row} of {word}")


def test_an_overlay_opens_by_its_own_condition_and_stays_closed_once_closed(page):
    slug = fresh_slide(page, "By itself")
    add(page, "Button")
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    page.press("Overlay")
    page.see("You are on “Overlay”")
    add(page, "Text")
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    page.find("select[aria-label='Shown'] option[value=always] + option[value=condition]")
    Select(page.find("select[aria-label='Shown']")).select_by_visible_text("Only when …")
    page.until(lambda: "shown only when" in page.find("[data-overlay]").text)
    page.saved()
    slide = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]
    button = next(e for e in slide["elements"] if e["kind"] == "button")
    assert slide["overlays"][0]["shown"] == ["clicked", button["id"]]
    _rehearse(page)
    assert not page.all("[role=dialog]")
    page.press("Button")
    page.find("[role=dialog][aria-label=Overlay]")
    page.browser.switch_to.active_element.send_keys(Keys.ESCAPE)
    page.gone("[role=dialog]")
    page.press("Button")
    page.until(lambda: not page.all("[role=dialog]"))


def test_a_sentence_opens_an_overlay_and_counts(page):
    slug = fresh_slide(page, "Sentences")
    page.click("button[aria-label='Variables']")
    page.press("Variable")
    page.find("[data-variable]")
    page.click("button[aria-label='Running order']")
    page.press("Overlay")
    page.see("You are on “Overlay”")
    add(page, "Text")
    page.press("Back to the slide")
    add(page, "Button")

    def sentence():
        return page.find("[data-sentence]")

    _choose(page, "What to do", "show", sentence)
    _choose(page, "What", "Overlay", sentence)
    _choose(page, "Add an action", "add to", sentence)
    page.press("if …")
    page.until(lambda: sentence().find_element("css selector", "input[aria-label='Value']"))
    _choose(page, "How it compares", "is less than", sentence)
    _choose(page, "Or what else", "Title", sentence)
    page.saved()
    slide = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]
    [rule] = next(e for e in slide["elements"] if e["name"] == "Button")["rules"]
    assert len(rule["when"]["of"]) == 2
    page.press("Not Title")
    page.press("Type the condition")
    field = page.find("textarea[aria-label=Condition]")
    page.until(lambda: field.get_property("value") == "Variable < 1")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Variable <", Keys.ENTER)
    page.see("a value is missing before the end")
    field.send_keys(" 2", Keys.ENTER)
    page.until(lambda: field.get_property("value") == "Variable < 2")
    page.saved()
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("Variable<1", Keys.ENTER)
    page.until(lambda: field.get_property("value") == "Variable < 1")
    page.press("Choose the condition")
    page.saved()
    _rehearse(page)
    page.press("Button")
    dialog = page.find("[role=dialog]")
    assert dialog.get_attribute("aria-label") == "Overlay"
    page.until(lambda: page.browser.switch_to.active_element == dialog)
    dialog.send_keys(Keys.ESCAPE)
    page.gone("[role=dialog]")
    page.press("Button")
    page.top()
    page.until(lambda: page.find("input[aria-label='Variable']").get_property("value") == "1")
    # A value set in the ledger is the run's own.
    field = page.find("input[aria-label='Variable']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("0", Keys.ENTER)
    page.until(lambda: "“Variable” set here to 0" in page.find("[data-moments]").text)
    page.frames(FRAME)
    page.press("Button")
    page.find("[role=dialog]")


def test_a_condition_is_typed_on_while_answers_are_on_their_way(page):
    slug = fresh_slide(page, "Slow reader")
    add(page, "Button")
    _choose(page, "What to do", "show")
    page.press("if …")
    page.press("Type the condition")
    field = page.find("textarea[aria-label=Condition]")
    page.until(lambda: field.get_property("value"))
    page.line(latency=700)
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("course.points > 1", Keys.ENTER)
    field.send_keys("2")
    assert field.get_property("value") == "course.points > 12"
    field.send_keys(Keys.ENTER)
    # What was taken over stays in the field, with its focus, until the core has written it.
    field.send_keys(" and nothing", Keys.ENTER)
    page.see("Not taken over")
    assert field.get_property("value") == "course.points > 12 and nothing"
    assert page.browser.switch_to.active_element == field
    field.send_keys(Keys.END, *[Keys.BACKSPACE] * len("nothing"))
    field.send_keys("course.points < 20", Keys.ENTER)
    page.until(lambda: field.get_attribute("aria-busy") == "true")
    page.until(lambda: field.get_attribute("aria-busy") == "false")
    assert field.get_property("value") == "course.points > 12 and course.points < 20"
    page.line()
    page.saved()
    slide = page.call("GET", f"/courses/{slug}")["slides"][1]["slide"]
    [rule] = next(e for e in slide["elements"] if e["name"] == "Button")["rules"]
    assert rule["condition"] == [
        "and", [">", ["live", "points"], 12], ["<", ["live", "points"], 20]], rule["condition"]


def test_a_thing_is_dragged_by_pointer_and_put_down_by_keyboard(page):
    fresh_slide(page, "Dragged")
    add(page, "Ellipse")
    page.open("Position and size")
    field = page.find("input[aria-label='Left']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("900", Keys.TAB)
    page.saved()
    add(page, "Rectangle")
    page.until(lambda: page.words("Learners can drag it").click() or True)
    _choose(page, "A target", "Ellipse")
    page.saved()
    _rehearse(page)
    item = page.find("[aria-roledescription=movable]")
    goal = next(e for e in page.all("main [data-element]") if e.rect["x"] > item.rect["x"] + 100)

    def middles():
        return [page.browser.execute_script(
            "const box = arguments[0].getBoundingClientRect(); return box.x + box.width / 2", e)
            for e in (item, goal)]

    home = middles()[0]
    ActionChains(page.browser).drag_and_drop_by_offset(item, -60, 30).perform()
    page.until(lambda: abs(middles()[0] - home) <= 1)
    ActionChains(page.browser).drag_and_drop(item, goal).perform()
    page.until(lambda: abs(middles()[0] - middles()[1]) <= 1)
    ActionChains(page.browser).drag_and_drop_by_offset(item, -250, 60).perform()
    page.until(lambda: abs(middles()[0] - home) <= 1)
    item.send_keys(Keys.ENTER)
    target = page.find(".zz-takes")
    assert target.get_attribute("aria-label") == "Put Rectangle on Ellipse"
    target.send_keys(Keys.ENTER)
    page.until(lambda: abs(middles()[0] - middles()[1]) <= 1)
