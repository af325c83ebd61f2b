"""Every kind of question, taken by keyboard and by pointer, and looked at by axe."""

import time

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from zigzag_core.course import CourseDocument, SlideSize
from zigzag_core.course.elements.blank import blank_course, blank_slide
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.editing.adding import add

from tests.core.samples import fresh_ids

from .driver import Page
from .packages import imported
from .test_access import violations

MOVABLE = "main [aria-roledescription=movable]"


def _course_of_all_kinds() -> CourseDocument:
    fresh = fresh_ids(7)
    document = blank_course("All kinds", fresh)
    slides = []
    for kind in QUESTION_KINDS:
        slide, _, _ = add(blank_slide(kind, fresh), kind, fresh, SlideSize())
        slides.append(slide)
    settings = document.course.model_copy(update={"slides": tuple(s.id for s in slides)})
    return CourseDocument(course=settings, slides=tuple(slides))


def _keys(page: Page, element, *keys: str) -> None:
    page.browser.execute_script("arguments[0].focus()", element)
    page.browser.switch_to.active_element.send_keys(*keys)


def _labelled(page: Page, start: str):
    return page.until(lambda: next(e for e in page.all("main [aria-label]")
                                   if e.get_attribute("aria-label").startswith(start)), start)


def _answer(page: Page, kind: str) -> None:
    """Answer by keyboard, and so that it is right."""
    match kind:
        case "single_choice" | "true_false":
            wanted = "The right answer" if kind == "single_choice" else "True"
            _keys(page, page.find(f"main input[aria-label='{wanted}']"), Keys.SPACE)
        case "multiple_response":
            for words in ("A right answer", "Another right answer"):
                _keys(page, page.find(f"main input[aria-label='{words}']"), Keys.SPACE)
        case "blanks":
            for n, words in ((1, "Boots"), (2, "drying")):
                _keys(page, page.find(f"main input[aria-label='Blank {n}']"), words)
        case "short_text" | "numeric":
            words = "10,0" if kind == "numeric" else "ANSWER"
            _keys(page, page.find("main .zz-field input"), words)
        case "open_answer":
            _keys(page, page.find("main textarea"), "I would air the room.")
        case "matching":
            for item, target in (("First", "Belongs to the first"),
                                 ("Second", "Belongs to the second"),
                                 ("Third", "Belongs to the third")):
                _keys(page, _labelled(page, item), Keys.ENTER)
                _keys(page, _labelled(page, f"Put {item} on {target}"), Keys.ENTER)
        case "drag_to_target":
            for item, target in (("First item", "Goes here"), ("Second item", "Goes there"),
                                 ("Third item", "Goes here")):
                _keys(page, _labelled(page, item), Keys.ENTER)
                _keys(page, _labelled(page, f"Put {item} on {target}"), Keys.ENTER)
        case "ordering":
            for place, step in enumerate(("First", "Second", "Third", "Fourth"), 1):
                for _ in range(4):
                    thing = _labelled(page, f"{step} step, place")
                    if f"place {place} of" in thing.get_attribute("aria-label"):
                        break
                    _keys(page, thing, Keys.ARROW_UP)
        case "hotspot":
            _keys(page, page.find("main button[aria-label='The right place']"), Keys.ENTER)
            page.see("No clicks left")
        case "rating_scale":
            for n in (2, 8):
                _keys(page, page.all("main .zz-point input")[n], Keys.SPACE)


def test_every_kind_by_keyboard(page, server):
    document = _course_of_all_kinds()
    slug = imported(server, document)
    page.go("/")
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    for place, kind in enumerate(QUESTION_KINDS, 1):
        page.see(f"Slide {place} of {len(QUESTION_KINDS)}")
        _answer(page, kind)
        assert violations(page) == [], kind
        page.until(lambda: page.button("Submit").is_enabled())
        _keys(page, page.button("Submit"), Keys.ENTER)
        if kind not in ("open_answer", "rating_scale"):
            page.see("Well done.")
            page.press("Continue")
        if place < len(QUESTION_KINDS):
            page.press("Next")
    page.top()
    page.see("10 of 10")


def test_things_are_dragged_connected_and_put_in_order_by_pointer(page, server):
    slug = imported(server, _course_of_all_kinds())
    page.go("/")
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    for _ in QUESTION_KINDS[: QUESTION_KINDS.index("matching")]:
        page.press("Next")
    ActionChains(page.browser).drag_and_drop(
        page.find(MOVABLE), page.all("main .zz-target")[1]).perform()
    assert _labelled(page, "First, with Belongs to the first")
    page.find("main .zz-lines line")
    page.press("Next")
    page.until(lambda: "place 1 of 4" in page.find(MOVABLE).get_attribute("aria-label"))
    first, *_, last = page.all(MOVABLE)
    name = last.get_attribute("aria-label").split(",")[0]
    ActionChains(page.browser).drag_and_drop(last, first).perform()
    assert _labelled(page, f"{name}, place 1 of 4")
    page.press("Next")
    item = _labelled(page, "Belongs nowhere")
    ActionChains(page.browser).drag_and_drop(item, page.find("main .zz-target")).perform()
    assert _labelled(page, "Belongs nowhere, on Goes here")
    # Picked up by a click, it can be put back where it was.
    _labelled(page, "Belongs nowhere").click()
    page.press("put back")
    page.until(lambda: _labelled(page, "Belongs nowhere").get_attribute("aria-label")
               == "Belongs nowhere")


class Finger:
    """Taps and drags on a touch screen, in a page that is a phone's."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.send("Emulation.setDeviceMetricsOverride",
                  width=390, height=844, deviceScaleFactor=2, mobile=True)
        self.send("Emulation.setTouchEmulationEnabled", enabled=True)
        self.send("Emulation.setEmulatedMedia",
                  features=[{"name": "prefers-reduced-motion", "value": "reduce"}])

    def send(self, command: str, **parameters) -> None:
        self.page.browser.execute_cdp_cmd(command, parameters)

    def _middle(self, element) -> dict[str, float]:
        return self.page.browser.execute_script("""
            const box = arguments[0].getBoundingClientRect();
            return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
        """, element)

    def _scroll_to(self, element) -> None:
        self.page.browser.execute_script(
            "arguments[0].scrollIntoView({ block: 'center', inline: 'center' })", element)

    def _touch(self, what: str, at: dict[str, float] | None, when: float) -> None:
        self.send("Input.dispatchTouchEvent", type=what, timestamp=when,
                  touchPoints=[at] if at else [])

    def tap(self, element) -> None:
        self._scroll_to(element)
        now = time.time()
        self._touch("touchStart", self._middle(element), now)
        self._touch("touchEnd", None, now + 0.1)

    def drag(self, element, to) -> None:
        """Drag slowly and halt: a flick would go on, and swallow the next tap."""
        self._scroll_to(element)
        start, end, now = self._middle(element), self._middle(to), time.time()
        self._touch("touchStart", start, now)
        for step, share in enumerate((0.3, 0.7, 1, 1, 1), 1):
            at = {k: start[k] + (end[k] - start[k]) * share for k in "xy"}
            self._touch("touchMove", at, now + step * 0.2)
        self._touch("touchEnd", None, now + 1.5)


def _answer_by_touch(page: Page, finger: Finger, kind: str) -> None:
    match kind:
        case "single_choice":
            finger.tap(page.find("main input[aria-label='The right answer']"))
        case "true_false":
            finger.tap(page.find("main input[aria-label='True']"))
        case "multiple_response":
            for words in ("A right answer", "Another right answer"):
                finger.tap(page.find(f"main input[aria-label='{words}']"))
        case "matching" | "drag_to_target":
            pairs = {"First": "Belongs to the first", "Second": "Belongs to the second",
                     "Third": "Belongs to the third"} if kind == "matching" else {
                "First item": "Goes here", "Second item": "Goes there", "Third item": "Goes here"}
            for item, target in pairs.items():
                finger.tap(_labelled(page, item))
                finger.tap(_labelled(page, f"Put {item} on {target}"))
        case "ordering":
            for place, step in enumerate(("First", "Second", "Third"), 1):
                thing = _labelled(page, f"{step} step, place")
                if f"place {place} of" not in thing.get_attribute("aria-label"):
                    finger.drag(thing, next(
                        e for e in page.all(MOVABLE)
                        if f"place {place} of" in e.get_attribute("aria-label")))
                    assert _labelled(page, f"{step} step, place {place} of")
        case "hotspot":
            finger.tap(page.find("main button[aria-label='The right place']"))
            page.see("No clicks left")
        case "rating_scale":
            for n in (2, 8):
                finger.tap(page.all("main .zz-point input")[n])
        case _:
            finger.tap(page.find("main .zz-field input, main .zz-field textarea, main input"))
            _answer(page, kind)


def test_every_kind_by_touch_on_a_phone_at_twice_the_size(page, server):
    slug = imported(server, _course_of_all_kinds())
    page.go("/")
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    address = page.browser.execute_script("return location.href")
    finger = Finger(page)
    page.browser.get(address)
    for size in ("150", "200"):
        finger.tap(page.find("[aria-label^='Larger slide']"))
        page.find(f"[aria-label='Larger slide, now {size} %']")
    for place, kind in enumerate(QUESTION_KINDS, 1):
        page.see(f"{place} of {len(QUESTION_KINDS)}")
        view = page.find(".zz-view")
        assert view.get_property("scrollWidth") == 2 * view.get_property("clientWidth")
        _answer_by_touch(page, finger, kind)
        assert violations(page) == [], kind
        page.until(lambda: page.button("Submit").is_enabled())
        finger.tap(page.button("Submit"))
        if kind not in ("open_answer", "rating_scale"):
            page.see("Well done.")
            finger.tap(page.button("Continue"))
            page.gone("[role=dialog]")
        for box in (control.rect for control in page.all(".zz-bar button")
                    if control.is_displayed()):
            assert box["x"] + box["width"] <= 390 and min(box["width"], box["height"]) >= 24
        if place < len(QUESTION_KINDS):
            finger.tap(page.button("Next"))
