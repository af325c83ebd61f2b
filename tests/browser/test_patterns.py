"""Every pattern, made by keyboard alone, then used by keyboard alone and looked at by axe."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.core.making import course, slide, text
from tests.core.test_copies_count import finished_card

from .driver import Page
from .packages import imported
from .test_access import violations
from .test_judges import _pick
from .test_keyboard import palette
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


def test_a_finished_card_is_duplicated_and_all_copies_count(page, server):
    card, _ = finished_card(grouped=True, pattern="checklist")
    slug = imported(server, course(card, variables=()))
    page.go(f"/courses/{slug}")
    name = next(e.name for e in card.elements if e.kind == "group")
    _pick(page, name)
    page.chosen(name)
    for copies in (1, 2):
        palette(page, "Duplicate what is selected")
        page.see("2 rules of the slide that name only this were copied too.")
        page.chosen(f"{name} {copies + 1}")
    page.saved()
    page.go(f"/courses/{slug}/rehearse")
    page.frames(FRAME)
    page.see("3 still to see")
    boxes = page.until(lambda: page.all("main [role=checkbox]"))
    assert len(boxes) == 3
    for left, box in zip(("2 still to see", "1 still to see", "All seen"), boxes, strict=True):
        box.send_keys(Keys.SPACE)
        page.see(left)


def test_an_odd_selection_says_how_it_is_paired_and_is_paired_anew(page, server):
    boxes = [text(name, x=40 + 240 * n, y=200, w=200, h=80)
             for n, name in enumerate(("front", "back", "third", "fourth", "fifth"))]
    slug = imported(server, course(slide("slidea", *boxes)))
    page.go(f"/courses/{slug}")
    _pick(page, *(box.name for box in boxes))
    palette(page, "Flip cards")
    page.see("Not part of it: “fifth”.")
    # The third card is made of what was left over and of what a card had.
    _choose(page, "Back of card 2", "fifth")
    _choose(page, "Front of card 1", "fourth")
    page.find("button[aria-label='Swap the sides of card 2']").click()
    page.saved()
    page.go(f"/courses/{slug}/rehearse")
    page.frames(FRAME)
    assert [e.text for e in page.all("main .zz-element") if e.is_displayed()] == [
        "front", "fourth", "fifth"]


def _choose(page: Page, label: str, words: str) -> None:
    page.until(lambda: Select(page.find(f"select[aria-label='{label}']"))
               .select_by_visible_text(words) or True, f"{label} to be {words}")
