"""Every pattern, made by keyboard alone, then used by keyboard alone and looked at by axe."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page
from .test_access import violations
from .test_resilience import _new_course

FRAME = "iframe[title='The course']"
PATTERNS = (
    "Tabs", "Accordion", "Cards that open", "Markers on a picture", "Timeline", "Flip cards",
    "Sequence of steps", "Checklist", "Choose a path", "Spot the places in a picture",
    "Before and after slider",
)
STATE = """
    const seen = e => e.checkVisibility();
    return JSON.stringify([document.querySelector('main').innerText,
      [...document.querySelectorAll('main [aria-expanded], main [aria-checked], main input')]
        .filter(seen).map(e => [e.ariaExpanded, e.ariaChecked, e.value]),
      [...document.querySelectorAll('main .zz-element')].filter(seen).length,
      [...document.querySelectorAll('main [data-selected]')].length]);
"""


def _keys(page: Page, *keys: str) -> None:
    page.browser.switch_to.active_element.send_keys(*keys)


def _make(page: Page, word: str) -> None:
    """A new slide with the pattern on it, from the palette."""
    count = len(page.all("[data-stop-button]"))
    for typed in ("New slide: Title", word):
        _keys(page, "/")
        page.find("[role=combobox][aria-label='What to add or do']")
        _keys(page, typed)
        page.find("[role=option][aria-selected=true]")
        _keys(page, Keys.ENTER)
        page.until(lambda: len(page.all("[data-stop-button]")) == count + 1)
    page.until(lambda: page.all("[data-row][aria-pressed=true]"), f"{word} to be there")
    _keys(page, Keys.ESCAPE)


def test_every_pattern_by_keyboard(page):
    _new_course(page, "Patterns")
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    for word in PATTERNS:
        _make(page, word)
    page.saved()
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    for _ in PATTERNS[1:]:
        ActionChains(page.browser).key_down(Keys.ALT).send_keys(Keys.ARROW_LEFT).key_up(
            Keys.ALT).perform()
    _keys(page, "r")
    page.frames(FRAME)
    for place, word in enumerate(PATTERNS):
        page.see(f"Slide {place + 2} of {len(PATTERNS) + 1}")
        assert violations(page) == [], word
        before = page.browser.execute_script(STATE)
        _use(page, word)
        # A fork leads somewhere as soon as its author has said where.
        if word != "Choose a path":
            page.until(lambda was=before: page.browser.execute_script(STATE) != was,
                       f"{word} to act")
        _keys(page, Keys.ESCAPE)
        page.click("button.zz-main")


def _use(page: Page, word: str) -> None:
    """Tab to what the pattern offers; act on the last of it that answers."""
    page.browser.execute_script("document.activeElement.blur(); getSelection().removeAllRanges();"
                                "document.querySelector('main').setAttribute('tabindex', '-1');"
                                "document.querySelector('main').focus()")
    control = "main .zz-element button, main button.zz-element, main .zz-element[role=button], " \
              "main .zz-element input, main [role=checkbox]"
    wanted = page.browser.execute_script(
        "return [...document.querySelectorAll(arguments[0])]"
        ".filter(e => e.checkVisibility() && !e.disabled).length", control)
    assert wanted, f"{word} has nothing to act on"
    for _ in range(min(wanted, 2)):
        _keys(page, Keys.TAB)
    kind = page.browser.execute_script("return document.activeElement.type ?? ''")
    _keys(page, Keys.ARROW_RIGHT if kind == "range" else " ")
