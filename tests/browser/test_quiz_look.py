"""The look of a quiz, and what happens when it is over: set in Plan, met in the package."""

from selenium.webdriver.support.ui import Select
from zigzag_core.course.rules.rule import GoTo, Mark, ToSlide

from tests.core.test_quiz_over import told
from tests.core.test_quiz_taking import taken_course

from .packages import finishes, goes_on, imported, inside, launch, put_in_course, title
from .test_access import violations

NIGHT = "rgb(24, 33, 43)"


def _choose(page, label: str, words: str) -> None:
    page.until(lambda: page.all(f"select[aria-label='{label}']"))
    Select(page.all(f"select[aria-label='{label}']")[-1]).select_by_visible_text(words)


def _ground(page) -> str:
    """The colour of the slide that the learner sees."""
    return page.browser.execute_script(
        "return getComputedStyle(document.querySelector('main .zz-slide')).backgroundColor")


def test_a_quiz_looks_different_and_does_something_when_it_is_over(page, server):
    slug = imported(server, taken_course(attempts=2, again="same"))
    page.go(f"/courses/{slug}/plan")
    page.click("[aria-label^='Quiz “Keys']")
    page.click("[role=tab][data-value=look]")
    _choose(page, "Colours and fonts", "Its own")
    page.click("[aria-label='Theme Night watch']")
    # Numbers that are being worked out anew are faint.
    page.until(lambda: violations(page) == [])
    page.click("[role=tab][data-value=results]")
    page.press("When it is failed")
    _choose(page, "Add an action", "start over")
    _choose(page, "What to start over", "the quiz")
    page.until(lambda: len(page.all("[data-sentence]")) == 1)
    page.until(lambda: violations(page) == [])
    page.saved()
    put_in_course(page, slug)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.find("main.zz-view")
    assert _ground(page) != NIGHT
    goes_on(page)
    assert _ground(page) == NIGHT
    first = title(page)
    # Failed, it begins again; with no attempt left it stays at its result.
    finishes(page, 3)
    page.until(lambda: title(page) == first, "the quiz to start over")
    finishes(page, 3)
    page.until(lambda: title(page) == "Your result")
    assert _ground(page) == NIGHT
    goes_on(page)
    assert title(page) == "After" and _ground(page) != NIGHT


def test_a_quiz_that_is_passed_marks_the_course_and_leads_on(page, server):
    after = taken_course().course.slides[-1]
    launch(page, server, told(
        "quiz_passed", Mark(status="passed"), GoTo(go=ToSlide(slide=after)), pass_mark=0))
    page.find("main.zz-view")
    goes_on(page)
    finishes(page, 3)
    page.until(lambda: title(page) == "After")
    page.top()
    page.press("Leave")
    page.see("passed")
