"""SCORM 2004 in a strict LMS: completion and success apart, coming back, leaving for good."""

import pytest
from selenium.webdriver.support.ui import Select
from zigzag_core.course.document import Completion
from zigzag_core.course.rules.rule import GoTo, LeaveCourse
from zigzag_core.grading.solutions import right_response, wrong_response

from tests.core.making import button
from tests.core.test_questions import Taking

from .packages import element_of, inside, launch
from .test_access import violations
from .test_package_lms import at_slide, three_slides


def three_slides_to_pass(attempts=2):
    """Three slides, a question on the first; passed with all seen; the last leads out."""
    made = three_slides()
    first, second, last = made.slides
    asked = first.questions[0].model_copy(update={"attempts": attempts})
    out = button("leave", GoTo(go=LeaveCourse()), label="Leave the course",
                 x=80, y=200, w=300, h=60)
    rule = Completion(slides_share=1, passing=True)
    return made.model_copy(update={
        "course": made.course.model_copy(update={"completion": rule, "pass_mark": 50}),
        "slides": (first.model_copy(update={"questions": (asked,)}), second,
                   last.model_copy(update={"elements": (*last.elements, out)}))})


def facts(page):
    """What the practice LMS says of the last attempt, by name."""
    page.find("[data-cell=status]")
    return page.browser.execute_script("""
        return Object.fromEntries([...document.querySelectorAll("[data-fact]")].map(
          (one) => [one.dataset.fact, one.lastElementChild.textContent]));""")


def _calls(page):
    page.top()
    return page.find("[aria-label='Log of tracking calls']").text


def _refused(page):
    """The calls that the LMS has refused: to ask for what has no value yet is none (error 403)."""
    page.top()
    return [one.text for one in page.all("[data-refused]")]


def answer(page, taker, response):
    page.click(f"[data-element={element_of(taker, response[0][0])}]")
    page.press("Submit")


def answer_wrongly(page, taker):
    """Answer the question wrongly, and be given another try."""
    answer(page, taker, wrong_response(taker.grader))
    page.words("Not right yet")
    page.press("Try again")


def resume_and_finish(page, taker):
    """Come back, answer the question rightly, and go to the last slide."""
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    answer(page, taker, right_response(taker.grader))
    page.words("Well done.")
    page.press("Continue")
    for number in (2, 3):
        page.press("Next")
        at_slide(page, number)


def test_a_course_is_answered_left_resumed_finished_and_read(page, server):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind="scorm2004")
    answer_wrongly(page, taker)
    page.top()
    page.see("The result of answer 1 is")
    page.press("Leave")
    page.find("[data-standard=scorm2004]")
    page.until(lambda: facts(page).get("Completion") == "not finished yet")
    found = facts(page)
    assert (found["Success"], found["Progress"]) == ("not said", "33 %")
    resume_and_finish(page, taker)
    page.until(lambda: "The completion is completed" in _calls(page))
    inside(page)
    page.press("Leave the course")
    page.see("Your progress is saved in the LMS")
    # The LMS was told goodbye, so that it can go on: there is no way back on this page.
    assert not [one for one in page.all("main button") if one.text == "Go back in"]
    page.until(lambda: "The course says goodbye." in _calls(page))
    assert "The way on is “the course may be gone on with”." in _calls(page)
    assert not _refused(page)
    page.press("Leave")
    page.until(lambda: facts(page).get("Success") == "passed")
    found = facts(page)
    assert (found["Status"], found["Completion"], found["Progress"]) == (
        "passed", "completed", "100 %")
    answers = page.all("[data-answer]")
    assert [a.get_attribute("data-answer") for a in answers] == ["wrong", "correct"]
    right = next(part.words for part in taker.grader.parts if part.right)
    assert f"Answered: {right}" in answers[1].text and f"Right would be: {right}" in answers[0].text
    assert violations(page) == []
    # Coming back, it stays passed, and what was recorded stays as it was.
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    at_slide(page, 3)
    page.press("Back")
    at_slide(page, 2)
    assert not _refused(page)
    page.press("Leave")
    page.until(lambda: "3 visits" in page.find("main").text)
    assert facts(page)["Success"] == "passed" and len(page.all("[data-answer]")) == 2


def test_who_has_seen_all_and_failed_has_completed_and_failed(page, server):
    made = three_slides_to_pass(attempts=1)
    taker = Taking(made)
    launch(page, server, made, kind="scorm2004")
    answer(page, taker, wrong_response(taker.grader))
    page.press("Continue")
    for number in (2, 3):
        page.press("Next")
        at_slide(page, number)
    page.until(lambda: "The success is failed" in _calls(page))
    page.press("Leave")
    page.until(lambda: facts(page).get("Success") == "failed")
    assert facts(page)["Completion"] == "completed"


@pytest.mark.parametrize("kind", ["scorm2004", "scorm2004_3"])
def test_an_author_publishes_it_and_puts_it_into_the_practice_lms(page, server, kind):
    words = {"scorm2004": "SCORM 2004, 4th edition", "scorm2004_3": "SCORM 2004, 3rd edition"}[kind]
    page.go("/courses/the-tool-library/publish")
    page.click(f"input[aria-label='{words}']")
    page.press(f"Publish as {words}")
    page.find(f"[data-package={kind}]")
    page.press("Try it in the practice LMS")
    page.find(f"[data-standard={kind}]")
    page.click("a[aria-label='Launch as Bo Lindqvale']")
    inside(page)
    page.find("main.zz-view")
    page.until(lambda: "The completion is not finished yet." in _calls(page))
    assert not _refused(page)
    # What was chosen last is chosen again.
    page.go("/courses/the-tool-library/publish")
    page.find(f"input[aria-label='{words}']:checked")


@pytest.mark.parametrize("kind", ["scorm12", "scorm2004"])
@pytest.mark.parametrize("mode", ["browse", "review"])
def test_who_only_looks_changes_nothing_that_is_recorded(page, server, kind, mode):
    made = three_slides_to_pass()
    taker = Taking(made)
    launch(page, server, made, kind=kind)
    answer_wrongly(page, taker)
    page.top()
    page.see("The result of answer 1 is")
    page.press("Leave")
    page.find("[data-answer]")
    Select(page.find("[aria-label='Opened to']")).select_by_visible_text(mode)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    answer(page, taker, right_response(taker.grader))
    page.words("Well done.")
    page.top()
    page.press("Leave")
    page.until(lambda: "2 visits" in page.find("main").text)
    assert [one.get_attribute("data-answer") for one in page.all("[data-answer]")] == ["wrong"]
    assert facts(page)["Status"] == "not finished yet" and not _refused(page)
