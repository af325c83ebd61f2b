"""Real packages in LMSs that are late, fail, lose the session, answer oddly, or see a crash."""

import re

import pytest
from selenium.webdriver.support.ui import Select
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.grading.solutions import right_response

from tests.core.samples import fresh_ids
from tests.core.test_questions import Taking, document, slide_with

from .packages import element_of, inside, pass_time, put_in

KINDS = ("scorm12", "scorm2004")


def three_slides():
    """A question, and two slides after it."""
    made = document(slide_with("single_choice"), attempts=1)
    more = tuple(blank_slide(title, fresh_ids(n)) for n, title in ((8, "Second"), (9, "Third")))
    slides = (*made.slides, *more)
    return made.model_copy(update={"slides": slides, "course": made.course.model_copy(update={
        "slides": tuple(each.id for each in slides)})})


def launch_in(page, manner="strict", learner="Ines Tarrow"):
    page.find(f"a[aria-label='Launch as {learner}']")
    wanted = page.until(lambda: next(
        o for o in Select(page.find("[aria-label='LMS behaviour']")).options
        if o.text.startswith(manner)))
    wanted.click()
    page.click(f"a[aria-label='Launch as {learner}']")
    inside(page)


def answer(page, taker):
    page.click(f"[data-element={element_of(taker, right_response(taker.grader)[0][0])}]")
    page.press("Submit")
    page.words("Right")
    page.press("Continue")


def at_slide(page, number):
    page.find(f"main[aria-label^='Slide {number} of 3']")


def is_recorded(page):
    page.top()
    page.see("The result of answer 1")


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("manner", ["lenient", "late", "cutting", "booleans"])
def test_a_course_is_tracked_all_the_same(page, server, manner, kind):
    made = three_slides()
    put_in(page, server, made, kind=kind)
    launch_in(page, manner)
    answer(page, Taking(made))
    is_recorded(page)
    page.press("Leave")
    launch_in(page, manner)
    page.press("Resume")
    at_slide(page, 1)
    assert not page.find("main input").is_enabled()


def leave_what_is_kept_here(page, made):
    """Answer and go on, hear that the browser alone has kept it, and leave."""
    answer(page, Taking(made))
    page.press("Next")
    at_slide(page, 2)
    page.see("this browser")
    page.top()
    page.press("Leave")


@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("manner", ["failing", "losing"])
def test_what_an_lms_did_not_keep_is_kept_in_the_browser_and_sent_when_it_is_well(
        page, server, manner, kind):
    made = three_slides()
    put_in(page, server, made, kind=kind)
    launch_in(page, manner)
    if manner == "losing":
        page.browser.switch_to.parent_frame()
        pass_time(page, 70)
        inside(page)
    leave_what_is_kept_here(page, made)
    page.until(lambda: page.find("[data-learner=ines-tarrow] [data-cell=score]").text == "–",
               "nothing to be kept")
    launch_in(page)
    page.press("Resume")
    at_slide(page, 2)
    is_recorded(page)


@pytest.mark.parametrize(("slide", "kind"), [
    (1, "scorm12"), (2, "scorm12"), (3, "scorm12"), (3, "scorm2004")])
def test_after_a_crash_on_any_slide_the_course_goes_on_there(page, server, slide, kind):
    made = three_slides()
    put_in(page, server, made, kind=kind)
    launch_in(page)
    answer(page, Taking(made))
    for number in range(2, slide + 1):
        page.press("Next")
        at_slide(page, number)
    page.top()
    page.press("Crash")
    launch_in(page)
    page.press("Resume")
    at_slide(page, slide)
    for _ in range(1, slide):
        page.press("Back")
    at_slide(page, 1)
    assert not page.find("main input").is_enabled(), "the answer counts"
    page.top()
    assert page.find("[aria-label='Log of tracking calls']").text.count("says goodbye") == 0


def test_what_is_kept_for_one_learner_is_not_another_s(page, server):
    made = three_slides()
    put_in(page, server, made)
    launch_in(page, "failing")
    leave_what_is_kept_here(page, made)
    launch_in(page, learner="Bo Lindqvale")
    at_slide(page, 1)
    assert page.find("main input").is_enabled(), "nothing of the first learner's is there"
    page.top()
    page.see("Asks for the learner's name: Lindqvale, Bo.")
    page.press("Leave")
    launch_in(page)
    page.press("Resume")
    at_slide(page, 2)


def test_time_is_told_while_nothing_is_done_and_counts_after_a_crash(page, server):
    put_in(page, server, three_slides())
    launch_in(page)
    at_slide(page, 1)
    for told in (40, 80):
        page.browser.execute_script("""
            const now = performance.now.bind(performance), date = Date.now.bind(Date);
            performance.now = () => now() + 40000;
            Date.now = () => date() + 40000;
        """)
        page.top()
        log = "[aria-label='Log of tracking calls']"
        minutes, seconds = divmod(told, 60)
        page.until(lambda: re.search(
            rf"The time in this visit is 0*:{minutes:02}:{seconds // 10}", page.find(log).text),  # noqa: B023
            f"{told} s to be told")
        inside(page)
    page.top()
    page.press("Crash")
    page.until(lambda: "1 min 2" in page.find("[data-learner=ines-tarrow]").text,
               "the time to count")
