"""Packages made elsewhere, in the practice LMS: parts of their own, windows that close."""

import json
from concurrent.futures import ThreadPoolExecutor
from urllib.request import Request, urlopen

import pytest
from selenium.webdriver.support.ui import Select

from tests.core.test_package import NAMESPACES, SEVERAL, zipped

PAGE = """<!doctype html><title>Part</title><script>
let at = window; while (!at.API && at !== at.parent) at = at.parent;
const api = at.API;
api.LMSInitialize("");
function end(status) {
  api.LMSSetValue("cmi.core.lesson_status", status);
  api.LMSFinish("");
  top.close();
}
</script><main><h1>NAME</h1><button onclick="end('completed')">Complete</button>
<button onclick="end('failed')">Fail</button></main>"""


@pytest.fixture
def package(page, tmp_path):
    """A package with two parts, put in by hand; the page is at it."""
    file = tmp_path / "parts.zip"
    file.write_bytes(zipped({
        "imsmanifest.xml": SEVERAL.format(ns=NAMESPACES).encode(),
        "all/res/one/start.html": PAGE.replace("NAME", "Part one").encode(),
        "top/start.html": PAGE.replace("NAME", "Part two").encode()}))
    page.go("/practice")
    page.until(lambda: page.all("input[type=file]"))[0].send_keys(str(file))
    page.words("Both", "h1")


def cell(page, name):
    return page.find(f"[data-learner=ines-tarrow] [data-cell={name}]").text


def launch(page, part):
    Select(page.find("select[aria-label='Part']")).select_by_visible_text(part)
    page.click("a[aria-label='Launch as Ines Tarrow']")


def open_window(page):
    """Let the package run in a window of its own, and go in; return the window it came from."""
    page.press("Open the window")
    here = page.browser.current_window_handle
    own = page.until(lambda: [w for w in page.browser.window_handles if w != here])[0]
    page.browser.switch_to.window(own)
    page.frames("iframe")
    return here


def test_each_part_of_a_package_is_launched_by_itself(page, package):
    launch(page, "1 First")
    page.frames("iframe[title='The package']", "iframe")
    page.words("Part one")
    page.press("Complete")
    page.top()
    page.press("Leave")
    page.until(lambda: cell(page, "status") == "completed")
    assert cell(page, "parts") == "1 of 2"
    launch(page, "2 Second")
    page.frames("iframe[title='The package']", "iframe")
    page.words("Part two")
    page.press("Fail")
    page.top()
    page.press("Leave")
    page.until(lambda: cell(page, "status") == "failed")
    assert cell(page, "parts") == "1 of 2"
    Select(page.find("select[aria-label='Part']")).select_by_visible_text("1 First")
    page.until(lambda: cell(page, "status") == "completed")


def test_a_package_closes_its_own_window(page, package):
    page.words("In a window of its own").click()
    launch(page, "2 Second")
    here = open_window(page)
    page.press("Complete")
    page.until(lambda: page.browser.window_handles == [here], "the window to close")
    page.browser.switch_to.window(here)
    page.until(lambda: cell(page, "status") == "completed")


def test_a_window_that_the_learner_closes_keeps_what_was_said(page, package):
    page.words("In a window of its own").click()
    launch(page, "1 First")
    here = open_window(page)
    page.browser.execute_script("api.LMSSetValue('cmi.core.lesson_status', 'incomplete')")
    page.browser.close()
    page.browser.switch_to.window(here)
    page.until(lambda: cell(page, "status") == "not finished yet")


def test_of_many_commits_at_once_none_is_lost(page, server, package):
    """Every learner in both parts, each part committing as fast as it is answered."""
    number = int(page.browser.current_url.rsplit("/", 1)[1])

    def launch_url(learner, sco):
        return page.call("POST", "/practice/launches", {
            "package": number, "learner": learner, "sco": sco})["url"]

    learners = [found["key"] for found in page.call("GET", "/practice/learners")]
    launched = {(learner, sco): launch_url(learner, sco) for learner in learners for sco in (1, 2)}

    def commit_all(url):
        for count in range(60):
            data = {"cmi": {"core": {"lesson_status": "incomplete"}, "suspend_data": f"{count}"}}
            request = Request(f"{url}commit", json.dumps(data).encode())
            with urlopen(request) as answer:
                assert json.load(answer)["result"]

    with ThreadPoolExecutor(len(launched)) as pool:
        list(pool.map(commit_all, launched.values()))
    for learner, sco in launched:
        again = urlopen(launch_url(learner, sco)).read().decode()
        assert '"suspend_data": "59"' in again
