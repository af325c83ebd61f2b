"""What the server does not take holds up nothing else, and is never lost without a word."""

from selenium.webdriver.common.keys import Keys

from .test_resilience import _close_window, _new_course, _rename

_TYPE = """
    const [field, text] = arguments;
    Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set.call(field, text);
    field.dispatchEvent(new Event("input", { bubbles: true }));
"""


def _too_long(page):
    label = page.words("Transcript (learners can read it)", "label")
    field = page.find(f"textarea[id='{label.get_attribute('for')}']")
    page.browser.execute_script(_TYPE, field, "Wax the boards. " * 2_000)


def test_a_change_that_is_refused_is_named_and_the_rest_is_saved(page):
    slug = _new_course(page, "Too much")
    _too_long(page)
    page.find("[data-saving=refused]")
    title = page.find("input[aria-label='Title of the course']")
    title.send_keys(Keys.CONTROL, "a")
    title.send_keys("Not too much", Keys.ENTER)
    page.until(lambda: page.call("get", f"/courses/{slug}")["course"]["title"] == "Not too much")
    page.see("1 change cannot be saved")

    # It is still there after the page was left, and is tried and refused again.
    _close_window(page)
    page.go(f"/courses/{slug}/build")
    page.click("[data-saving=refused]")
    page.see("20000")
    page.press("Go back to the saved version")
    page.saved()
    [slide] = page.call("get", f"/courses/{slug}")["slides"]
    assert slide["slide"]["transcript"] == ""

    # What is taken back or made smaller is sent again by itself.
    _too_long(page)
    page.find("[data-saving=refused]")
    _rename(page, "Short enough")
    page.find("[data-saving=refused]")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.saved()
