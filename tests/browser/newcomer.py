"""Somebody who builds by hand, and how many clicks and keys it takes.

A click is a press of the pointer: a double click counts twice, choosing from a list twice (the list
and the choice), a drag once. A key is a key that is pressed, each one of a chord. The words of the
course itself are not counted: they have to be typed in any tool.
"""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from .driver import Page


class Newcomer:
    """Works on `page`, and counts."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.clicks = 0
        self.keys = 0

    def click(self, css: str) -> None:
        self.page.click(css)
        self.clicks += 1

    def press(self, words: str) -> None:
        self.page.press(words)
        self.clicks += 1

    def double_click(self, element) -> None:
        ActionChains(self.page.browser).double_click(element).perform()
        self.clicks += 2

    def choose(self, label: str, words: str) -> None:
        def chosen() -> bool:
            Select(self.page.find(f"select[aria-label='{label}']")).select_by_visible_text(words)
            return True

        self.page.until(chosen, f"to choose “{words}” in “{label}”")
        self.clicks += 2

    def empty_place(self) -> None:
        """Click beside all elements: the slide itself is shown then."""
        stage = self.page.find("[data-stage]")
        low = stage.size["height"] / 2 - 4
        ActionChains(self.page.browser).move_to_element_with_offset(
            stage, int(-stage.size["width"] / 2 + 4), int(low)).click().perform()
        self.clicks += 1

    def band(self, *elements) -> None:
        """Drag a band around elements."""
        boxes = [element.rect for element in elements]
        slide = self.page.find("[data-stage]").rect
        left, top = (max(min(box[side] for box in boxes) - 6, slide[side] + 2)
                     for side in ("x", "y"))
        right = max(box["x"] + box["width"] for box in boxes) + 6
        low = max(box["y"] + box["height"] for box in boxes) + 6
        chain = ActionChains(self.page.browser)
        chain.w3c_actions.pointer_action.move_to_location(int(left), int(top))
        chain.click_and_hold().move_by_offset(int(right - left) // 2, int(low - top) // 2)
        chain.w3c_actions.pointer_action.move_to_location(int(right), int(low))
        chain.release().perform()
        self.clicks += 1

    def key(self, *keys: str) -> None:
        for key in keys:
            self.page.browser.switch_to.active_element.send_keys(key)
            self.keys += 1

    def add(self, words: str) -> None:
        """Type `words` into the palette, and take what it offers first."""
        page = self.page
        page.browser.switch_to.active_element.send_keys("/")
        field = page.find("[role=combobox][aria-label='What to add or do']")
        field.send_keys(words)
        page.find("[role=option][aria-selected=true]")
        field.send_keys(Keys.ENTER)
        page.gone("[role=combobox][aria-label='What to add or do']")
        self.keys += len(words) + 2

    def write(self, words: str) -> None:
        """Type words of the course."""
        self.page.browser.switch_to.active_element.send_keys(words)
