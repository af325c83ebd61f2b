"""Things that rules disable in a real package: of no use, without light, said to be so, saved."""

from selenium.webdriver import ActionChains
from zigzag_core.course import StylePatch
from zigzag_core.course.elements.element import Drag

from tests.core.making import DISABLE, ENABLE, TOGGLE, button, course, slide, text

from .packages import inside, launch

FILL = "return getComputedStyle(document.querySelector('[data-element=opener] .zz-box'))"


def test_what_is_disabled_gives_no_light_and_says_so_and_stays_so(page, server):
    lit = {"hover": StylePatch(fill="#ff0000", bold=True)}
    opener = button("opener", TOGGLE("note"), label="Open", looks=lit, x=60, y=60)
    once = button("once", DISABLE("once"), label="Only once", x=60, y=160)
    off = button("offb", DISABLE("opener"), DISABLE("stone"), label="Off", x=400, y=60)
    on = button("onbb", ENABLE("opener"), ENABLE("stone"), label="On", x=400, y=160)
    stone = text("stone", x=60, y=300).model_copy(update={"drag": Drag(targets=("note",))})
    launch(page, server, course(
        slide("slidea", opener, once, off, on, stone, text("note", x=600, y=300)),
        slide("slideb")))

    def element(name):
        return page.find(f"main [data-element={name}]")

    def fill():
        return page.browser.execute_script(f"{FILL}.backgroundColor")

    def point_at(name):
        ActionChains(page.browser).move_to_element(element(name)).perform()

    point_at("opener")
    page.until(lambda: fill() == "rgb(255, 0, 0)", "it to light up")
    page.press("Off")
    page.until(lambda: not element("opener").is_enabled(), "it to be disabled")
    assert element("stone").get_attribute("aria-disabled") == "true"
    assert element("stone").get_attribute("tabindex") == "-1"
    point_at("opener")
    assert fill() != "rgb(255, 0, 0)"
    assert page.browser.execute_script(f"{FILL}.fontWeight") == "400"
    ActionChains(page.browser).move_to_element(element("opener")).click().perform()
    assert element("note").is_displayed(), "the click does nothing"

    page.press("Only once")
    page.until(lambda: not element("once").is_enabled())
    assert page.browser.execute_script(
        "return document.activeElement !== document.body"), "the focus is still somewhere"

    # Leave and come back.
    page.press("Next")
    page.until(lambda: page.find("main").get_attribute("aria-label").startswith("Slide 2 of 2"))
    page.press("Back")
    page.browser.refresh()
    inside(page)
    page.press("Resume")
    page.until(lambda: not element("opener").is_enabled(), "it to be disabled still")
    page.press("On")
    page.press("Open")
    page.gone("main [data-element=note]")
    point_at("opener")
    page.until(lambda: fill() == "rgb(255, 0, 0)", "it to light up again")
