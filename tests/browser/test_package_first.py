"""The first slide of a package: there with little, whatever comes after it."""

import json

import pytest

from .first_slide import Served, watch

MOST = 150_000


@pytest.mark.parametrize("slides", [39, 200])
def test_the_first_slide_takes_little_whatever_the_number_of_slides(page, tmp_path, slides):
    served = Served(tmp_path, slides)
    watch(page.browser)
    with served as address:
        page.browser.get(address)
        first = page.until(lambda: page.browser.execute_script("return window.firstSlide"))
        assert served.page + sum(first["bytes"]) < MOST, json.dumps(first)
        page.until(lambda: page.find("main").get_attribute("aria-label").startswith(
            f"Slide 1 of {slides}"))


def test_slides_that_are_still_on_their_way_are_waited_for(page, tmp_path):
    served = Served(tmp_path, 200)
    # The rest does not come yet: its file is not there. It is asked for again and again.
    parts = sorted(tmp_path.glob("program-*.js"))
    held = {path: path.read_bytes() for path in parts}
    for path in parts:
        path.unlink()
    with served as address:
        page.browser.get(address)
        page.press("Slides")
        last = page.all(".zz-menu button")[-1]
        page.browser.execute_script("arguments[0].click()", last)
        page.see("The next slide is loading")
        assert page.find("main").get_attribute("aria-label").startswith("Slide 1 of")
        for path, data in held.items():
            path.write_bytes(data)
        page.until(lambda: page.find("main").get_attribute("aria-label").startswith(
            "Slide 200 of 200"))
        # Progress that was held back is saved, and leads back to that slide.
        page.browser.refresh()
        page.press("Resume")
        page.until(lambda: page.find("main").get_attribute("aria-label").startswith(
            "Slide 200 of 200"))
