"""cmi5 in the practice LMS: statements in order, once, kept through what goes wrong."""

import json

from selenium.webdriver.support.ui import Select
from zigzag_core.grading.solutions import right_response

from tests.core.test_questions import Taking

from .packages import inside, launch
from .test_access import violations
from .test_package_lms import at_slide
from .test_scorm2004 import (
    _calls,
    _refused,
    answer,
    answer_wrongly,
    facts,
    resume_and_finish,
    three_slides_to_pass,
)


def _said(page):
    """The verbs of all statements of the run that is shown, the oldest first."""
    page.top()
    rows = page.all("[aria-label='Log of tracking calls'] [data-statement]")
    said = [json.loads(row.get_attribute("data-statement")) for row in reversed(rows)]
    return [one["verb"]["id"].rpartition("/")[2] for one in said]


def _leave(page):
    page.top()
    page.press("Leave")
    page.find("[data-standard=cmi5]")


def test_a_course_is_answered_left_resumed_finished_and_read(page, server):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind="cmi5")
    answer_wrongly(page, taker)
    page.until(lambda: _said(page)[:2] == ["initialized", "answered"])
    _leave(page)
    page.until(lambda: facts(page).get("Completion") == "not finished yet")
    page.until(lambda: _said(page) == ["initialized", "answered", "terminated"])
    resume_and_finish(page, taker)
    page.until(lambda: "The course is completed." in _calls(page))
    inside(page)
    page.press("Leave the course")
    # cmi5 leads back to where the LMS says.
    page.see("The course was left.")
    _leave(page)
    page.until(lambda: facts(page).get("Success") == "passed")
    assert _said(page) == ["initialized", "answered", "terminated",
                           "initialized", "answered", "passed", "completed", "terminated"]
    assert not _refused(page)
    found = facts(page)
    assert (found["Status"], found["Completion"]) == ("passed", "completed")
    assert page.find("[data-learner=ines-tarrow] [data-cell=score]").text == "100"
    answers = page.all("[data-answer]")
    assert [a.get_attribute("data-answer") for a in answers] == ["wrong", "correct"]
    right = next(part.words for part in taker.grader.parts if part.right)
    assert f"Answered: {right}" in answers[1].text
    assert violations(page) == []
    # Whoever comes back is told nothing a second time.
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    at_slide(page, 3)
    _leave(page)
    page.until(lambda: _said(page)[-2:] == ["initialized", "terminated"])
    assert _said(page).count("passed") == _said(page).count("completed") == 1


def test_what_is_said_while_the_store_is_away_comes_later_in_order(page, server):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind="cmi5")
    page.find("main.zz-view")
    page.until(lambda: _said(page) == ["initialized"])
    inside(page)
    page.browser.execute_script("""
        window.real = window.fetch;
        window.fetch = () => Promise.reject(new TypeError("offline"));""")
    answer(page, taker, right_response(taker.grader))
    page.words("Well done.")
    page.press("Continue")
    page.press("Next")
    at_slide(page, 2)
    # The learner is told; nothing of it has reached the store.
    page.see("The LMS does not answer")
    assert _said(page) == ["initialized"]
    inside(page)
    page.browser.execute_script("window.fetch = window.real")
    page.until(lambda: _said(page) == ["initialized", "answered", "passed"], patience=30)


def test_what_a_crash_kept_from_the_store_is_said_in_the_next_session(page, server):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind="cmi5")
    page.find("main.zz-view")
    page.until(lambda: _said(page) == ["initialized"])
    page.press("Crash")
    page.find("[data-standard=cmi5]")
    page.until(lambda: _said(page) == ["initialized"], "nothing was said after the crash")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    _answer_after_asking(page, taker)
    page.until(lambda: "answered" in _said(page))
    _leave(page)
    page.until(lambda: _said(page)[-1] == "terminated")
    assert _said(page).count("initialized") == 2 and not _refused(page)


def _answer_after_asking(page, taker):
    page.until(lambda: page.all("main.zz-view, main .zz-main"))
    if any(one.text == "Resume" for one in page.all("main button")):
        page.press("Resume")
    answer(page, taker, right_response(taker.grader))
    page.words("Well done.")


def test_the_page_may_be_loaded_again(page, server):
    """The token to the store is given out once; the tab keeps it."""
    made = three_slides_to_pass()
    launch(page, server, made, kind="cmi5")
    page.find("main.zz-view")
    page.until(lambda: _said(page) == ["initialized"])
    inside(page)
    page.press("Next")
    at_slide(page, 2)
    page.browser.execute_script("window.location.reload()")
    page.top()
    inside(page)
    page.press("Resume")
    at_slide(page, 2)


def test_who_reviews_is_told_nothing_that_counts(page, server):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind="cmi5")
    page.find("main.zz-view")
    _leave(page)
    Select(page.find("[aria-label='Opened to']")).select_by_visible_text("review")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    _answer_after_asking(page, taker)
    _leave(page)
    page.until(lambda: _said(page)[-2:] == ["initialized", "terminated"])
    assert "answered" not in _said(page)
