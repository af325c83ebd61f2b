"""Two ways to build slides: with the mouse, and with the keyboard alone. Both count actions.

A click, a double click, a drag and a key (with what is held down) are an action each; so is a
text that is typed in one go.
"""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page

BOX = "const r = arguments[0].getBoundingClientRect(); return [r.x, r.y, r.width, r.height]"


class Hand:
    """What both hands share: the counting, the texts, and waiting for the workbench."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.actions = 0

    def keys(self, *keys: str) -> None:
        self.actions += 1
        self.page.browser.switch_to.active_element.send_keys(*keys)

    def text(self, words: str) -> None:
        """Replace what is being typed in."""
        self.page.until(self._typing, "a field to type in")
        self.actions += 2
        chain = ActionChains(self.page.browser)
        chain.key_down(Keys.CONTROL).send_keys("a").key_up(Keys.CONTROL).send_keys(words).perform()

    def _typing(self) -> bool:
        return self.page.browser.execute_script(
            "const e = document.activeElement; return e.isContentEditable || "
            "['INPUT', 'TEXTAREA'].includes(e.tagName)")

    def rows(self) -> list[str]:
        return [row.find_element("css selector", "p").text for row in self.page.all("[data-row]")]

    def chosen(self) -> list[str]:
        return [row.find_element("css selector", "p").text
                for row in self.page.all("[data-row][aria-pressed=true]")]

    def settled(self, before: list[str]) -> None:
        """Wait until something was added."""
        self.page.until(lambda: len(self.rows()) > len(before), "something new")

    def drawn(self) -> None:
        """Wait until a picture is there and selected, be it new or in the layout's place for it."""
        self.page.until(lambda: "".join(self.chosen()).startswith("Picture"), "a picture")

    def _row(self, name: str):
        return self.page.until(lambda: next(
            row for row in self.page.all("[data-row]")
            if row.find_element("css selector", "p").text == name
        ) if name in self.rows() else None, name)

    def element(self, name: str):
        return self.page.find(f"[data-handle='{self._row(name).get_attribute('data-row')}']")


class Mouse(Hand):
    def click(self, thing, shift: bool = False) -> None:
        self.actions += 1
        chain = ActionChains(self.page.browser)
        if shift:
            chain.key_down(Keys.SHIFT)
        chain.click(thing)
        if shift:
            chain.key_up(Keys.SHIFT)
        chain.perform()

    def _see(self, thing):
        self.page.browser.execute_script("arguments[0].scrollIntoView({ block: 'center' })", thing)
        return thing

    def new_slide(self, layout: str) -> None:
        count = len(self.page.all("[data-stop-button]"))
        self.click(self.page.find("[aria-label='Add a slide']"))
        self.page.until(lambda: len(self.page.all("[data-stop-button]")) == count + 1)
        self.click(self._see(self.page.find(f"section[aria-label=Layout] [aria-label='{layout}']")))
        self.page.until(lambda: layout in self.page.find("section[aria-label=Layout]").text)

    def add(self, word: str) -> None:
        before = self.rows()
        self.click(self.page.find("[data-pane=slide] [role=toolbar] button"))
        self.actions += 1
        options = lambda: [o for o in self.page.all("[role=option]")  # noqa: E731
                           if o.text.split("\n")[0] == word]
        option = self.page.until(lambda: next(iter(options()), None), word)
        ActionChains(self.page.browser).click(self._see(option)).perform()
        self.settled(before)

    def draw(self, word: str) -> None:
        """Add what is only found by typing."""
        self.click(self.page.find("[data-pane=slide] [role=toolbar] button"))
        self.keys(word)
        option = self.page.until(lambda: next(iter(self.page.all("[role=option]")), None), word)
        self.click(option)
        self.drawn()

    def write(self, name: str, words: str) -> None:
        self.actions += 1
        ActionChains(self.page.browser).double_click(self.element(name)).perform()
        self.text(words)
        self.keys(Keys.ESCAPE)

    def select(self, *names: str) -> None:
        for place, name in enumerate(names):
            self.click(self._row(name), shift=False) if not place else self._also(name)
        self.page.until(lambda: sorted(self.chosen()) == sorted(names), f"to select {names}")

    def _also(self, name: str) -> None:
        self.actions += 1
        row = self._row(name)
        ActionChains(self.page.browser).key_down(Keys.CONTROL).click(row).key_up(
            Keys.CONTROL).perform()

    def arrange(self, label: str) -> None:
        self.click(self._see(self.page.find(f"section[aria-label=Arrange] [aria-label='{label}']")))

    def move(self, name: str, across: int, down: int) -> None:
        """Move by slide pixels, with Alt against snapping."""
        self.actions += 1
        scale = self.page.browser.execute_script(
            "return document.querySelector('[data-stage]').getBoundingClientRect().width / 1280")
        chain = ActionChains(self.page.browser).click_and_hold(self.element(name))
        chain.key_down(Keys.CONTROL).move_by_offset(10, 10)
        chain.move_by_offset(round(across * scale) - 10, round(down * scale) - 10)
        chain.release().key_up(Keys.CONTROL).perform()

    def command(self, label: str) -> None:
        self.click(self.page.find(f"[data-pane=cards] [aria-label^='{label}']"))

    def lead(self, name: str, slide: str) -> None:
        self.select(name)
        # A new button leads to the next slide; its sentence is there to be changed.
        self._choose("Where to go", slide)

    def _choose(self, label: str, slide: str) -> None:
        field = self._see(self.page.find(f"select[aria-label='{label}']"))
        self.actions += 2
        next(option for option in field.find_elements("css selector", "option")
             if option.text.endswith(slide)).click()

    def right(self, answer: str) -> None:
        self.click(self._see(self.page.find(f"input[aria-label='{answer} is right']")))


class Keyboard(Hand):
    def palette(self, word: str) -> None:
        self.page.until(lambda: self.page.browser.execute_script(
            "return document.activeElement.closest('[data-stage]') !== null"), "the slide's focus")
        self.keys("/")
        self.page.find("[role=combobox][aria-label='What to add or do']")
        self.keys(word)
        self.page.until(lambda: self.page.find("[role=option][aria-selected=true]"), word)
        self.keys(Keys.ENTER)

    def to_stage(self) -> None:
        """F6 until the slide has the focus."""
        for _ in range(4):
            if self.page.browser.execute_script(
                    "return document.activeElement.closest('[data-stage]') !== null"):
                return
            self.keys(Keys.F6)
        raise AssertionError("F6 does not reach the slide")

    def new_slide(self, layout: str) -> None:
        self.to_stage()
        count = len(self.page.all("[data-stop-button]"))
        self.palette(f"New slide: {layout}")
        self.page.until(lambda: len(self.page.all("[data-stop-button]")) == count + 1)

    def add(self, word: str) -> None:
        self.to_stage()
        before = self.rows()
        self.palette(word)
        self.settled(before)

    def draw(self, word: str) -> None:
        self.to_stage()
        self.palette(word)
        self.drawn()

    def write(self, name: str, words: str) -> None:
        self.select(name)
        self.keys(Keys.ENTER)
        self.text(words)
        self.keys(Keys.ESCAPE)

    def select(self, *names: str) -> None:
        self.to_stage()
        if self.chosen() == list(names):
            return
        if len(names) == 1:
            for _ in range(40):
                before = self.chosen()
                self.keys(Keys.TAB)
                self.page.until(lambda was=before: self.chosen() != was or len(self.rows()) == 1)
                if self.chosen() == list(names):
                    return
            raise AssertionError(f"Tab does not reach {names[0]}")
        while self._pane() != "order":
            self.keys(Keys.F6)
        while self._focused_row() is None:
            self.keys(Keys.TAB)
        order = self.rows()
        for place, name in enumerate(sorted(names, key=order.index)):
            while self._focused_row() != name:
                away = order.index(name) - order.index(self._focused_row())
                self.keys(Keys.ARROW_DOWN if away > 0 else Keys.ARROW_UP)
            self.keys(*([Keys.CONTROL, " "] if place else [" "]))
        self.page.until(lambda: sorted(self.chosen()) == sorted(names), f"to select {names}")
        self.to_stage()

    def _pane(self) -> str | None:
        return self.page.browser.execute_script(
            "return document.activeElement.closest('[data-pane]')?.dataset.pane ?? null")

    def _focused_row(self) -> str | None:
        return self.page.browser.execute_script(
            "return document.activeElement.closest('[data-row]')?.querySelector('p')?.textContent"
            " ?? null")

    def arrange(self, label: str) -> None:
        self.palette(label)

    def move(self, name: str, across: int, down: int) -> None:
        """Say where it shall stand: two lines typed are quicker than thirty arrows."""
        self.select(name)
        for word, now, by in zip(("left", "top"), self._place(), (across, down), strict=True):
            if by:
                self.palette(f"{word} {now + by}")

    def _place(self) -> tuple[int, int]:
        fields = [self.page.find(f"[data-pane=cards] input[aria-label='{label}']")
                  for label in ("left", "top")]
        left, top = (round(float(field.get_attribute("value"))) for field in fields)
        return left, top

    def command(self, label: str) -> None:
        keys = {"Group": (Keys.CONTROL, "g"), "Duplicate": (Keys.CONTROL, "d")}[label]
        self.keys(*keys)

    def lead(self, name: str, slide: str) -> None:
        self.select(name)
        self.palette(f"When clicked, go to {slide}")

    def right(self, answer: str) -> None:
        self.palette("Mark as the right answer")
