"""The record store's page, and what a trainer sees of a course: by hand, and by a client."""

import base64
import json
import urllib.error
import urllib.request

import pytest
from zigzag_core.grading.solutions import right_response, wrong_response

from tests.core.test_questions import Taking
from tests.core.test_statements import INES, SAID

from .packages import inside, launch
from .test_access import violations
from .test_scorm2004 import answer, three_slides_to_pass


def _send(address, user, password, said):
    credentials = base64.b64encode(f"{user}:{password}".encode()).decode()
    request = urllib.request.Request(f"{address}statements", json.dumps(said).encode(), headers={
        "Content-Type": "application/json", "X-Experience-API-Version": "1.0.3",
        "Authorization": f"Basic {credentials}"})
    with urllib.request.urlopen(request) as got:
        return json.loads(got.read())


def test_a_client_gets_a_key_says_something_and_loses_the_key(page):
    page.go("/practice")
    page.press("Record store")
    page.until(lambda: page.find("[data-address]").text.startswith("http"))
    address = page.find("[data-address]").text
    page.find("input[aria-label='What the key is for']").send_keys("Weather mast")
    page.press("Make a key")
    shown = page.find("[role=status] [data-fact=User]").text.split()[-1]
    password = page.find("[role=status] [data-fact=Password]").text.split()[-1]
    [name] = _send(address, shown, password, {**SAID, "actor": {**INES, "name": "Ines"}})
    page.browser.refresh()
    page.click(f"[data-statement='{name}'] button")
    page.see('"https://example.org/hut/soup"')
    assert violations(page) == []
    page.click("button[aria-label='Take away the key “Weather mast”']")
    page.gone("[data-key='Weather mast']")
    with pytest.raises(urllib.error.HTTPError, match="401"):
        _send(address, shown, password, SAID)


@pytest.mark.parametrize("kind", ["scorm12", "cmi5"])
def test_a_trainer_sees_who_is_where_and_stuck(page, server, kind):
    made = three_slides_to_pass(attempts=3)
    taker = Taking(made)
    launch(page, server, made, kind=kind)
    answer(page, taker, right_response(taker.grader))
    page.press("Continue")
    page.press("Next")
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Bo Lindqvale']")
    inside(page)
    answer(page, taker, wrong_response(taker.grader))
    page.press("Try again")
    page.top()
    page.press("Leave")
    page.until(lambda: "2 of 3" in page.find("[data-where=ines-tarrow]").text)
    page.until(lambda: "1 of 1 right" in page.find("[data-where=ines-tarrow]").text)
    page.until(lambda: "0 of 1 right" in page.find("[data-where=bo-lindqvale]").text)
    assert "1 of 3" in page.find("[data-where=bo-lindqvale]").text
    signs = page.all("[data-question] svg")
    assert [sign.get_attribute("aria-label") for sign in signs] == ["right", "wrong"]
    assert "1 of 2" in page.find("[data-question]").text
    assert violations(page) == []
