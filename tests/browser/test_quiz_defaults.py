"""Defaults of a quiz: set in Plan, followed by its questions, and met by the learner."""

from selenium.webdriver.common.keys import Keys
from zigzag_core.course import rich
from zigzag_core.course.questions.settings import SETTINGS, QuestionDefaults

from tests.core.quiz_course import following
from tests.core.test_quiz_taking import taken_course

from .packages import goes_on, imported, inside, launch, put_in_course
from .test_access import violations


def _opened(page, server, document) -> str:
    slug = imported(server, document)
    page.go(f"/courses/{slug}/plan")
    return slug


def _put(page, css: str, value: object) -> None:
    field = page.find(css)
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(str(value))


def _defaults(page) -> None:
    page.click("[aria-label^='Quiz “Keys']")
    page.click("[role=tab][data-value=defaults]")


def _stored(page, slug: str) -> list[dict]:
    """The questions of the quiz, as the server keeps them."""
    page.saved()
    return [question for each in page.call("GET", f"/courses/{slug}")["slides"][1:5]
            for question in each["slide"]["questions"]]


def test_a_default_is_changed_for_all_but_those_that_have_their_own(page, server):
    slug = _opened(page, server, taken_course())
    _defaults(page)
    page.see("Defaults are settings that all questions of this quiz follow")
    page.press("Set defaults")
    row = "[data-setting=points]"
    page.until(lambda: "All 4 questions follow" in page.find(row).text)
    page.find("[data-numbers=new]")
    assert violations(page) == []
    _put(page, "input[aria-label='Points']", 3)
    # On a slide of the quiz the field follows; a number of its own is seen, and given back.
    page.click("[aria-label='Back to the route']")
    page.go(f"/courses/{slug}/build")
    page.stop(2)
    page.until(lambda: len(page.all("[data-row]")) > 5)
    page.row_at(1).click()
    points = "[data-follows] input[aria-label='Points']"
    page.until(lambda: page.find(points).get_attribute("value") == "3")
    page.find("[data-follows=true] input[aria-label='Points']")
    _put(page, points, 5)
    page.find("[data-follows=false] input[aria-label='Points']")
    assert [(q["points"], "points" in q["follows"]) for q in _stored(page, slug)][1] == (5, False)
    page.go(f"/courses/{slug}/plan")
    _defaults(page)
    page.until(lambda: "3 of 4 follow" in page.find(row).text)
    page.find("[aria-label='Points: let all follow']").click()
    page.until(lambda: "All 4 questions follow" in page.find(row).text)
    assert all("points" in q["follows"] for q in _stored(page, slug))


def test_learners_meet_the_defaults_and_what_no_answer_costs(page, server):
    document = taken_course(defaults=QuestionDefaults(
        points=4, unanswered=1, submit_label="Check", right=rich("Well seen."), attempts=1))
    launch(page, server, following(document, *SETTINGS))
    goes_on(page)
    for _ in range(3):
        page.words("The right answer").click()
        page.press("Check")
        page.see("Well seen.")
        page.press("Continue")
        goes_on(page)
    page.press("Next")
    page.see("Questions without an answer: 1")
    goes_on(page)
    # 3 × 4 points, and 1 less for the answer that is missing, of 16.
    page.top()
    page.see("68.75")


def test_clear_buttons_come_in_one_step_and_clear_an_answer(page, server):
    slug = _opened(page, server, taken_course())
    _defaults(page)
    page.press("Add one to each of 4 questions")
    page.see("Every question has one.")
    page.saved()
    put_in_course(page, slug)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.find("main.zz-view")
    goes_on(page)
    choice = page.find("main [role=radio], main input[type=radio]")
    choice.send_keys(Keys.SPACE)
    page.until(lambda: page.all("main [aria-checked=true], main input:checked"))
    page.press("Clear")
    page.until(lambda: not page.all("main [aria-checked=true], main input:checked"))
