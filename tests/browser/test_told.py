"""What Publish says that an LMS will be told, held against what the practice LMS was told."""

from zigzag_core.grading.solutions import wrong_response

from tests.core.test_questions import Taking

from .packages import imported, inside, put_in_course
from .test_access import violations
from .test_package_lms import at_slide
from .test_scorm2004 import answer, facts, three_slides_to_pass


def _row(page, key):
    """The cells of an ending, each as its lines."""
    cells = page.browser.execute_script("""
        const row = document.querySelector(`[data-ending="${arguments[0]}"]`);
        return row && [...row.cells].map((cell) => cell.innerText);""", key)
    return [[line for line in cell.split("\n") if line] for cell in cells] if cells else None


def test_what_will_be_told_is_what_is_told_and_what_changes_is_seen(page, server):
    made = three_slides_to_pass(attempts=1)
    taker = Taking(made)
    slug = imported(server, made)
    page.go(f"/courses/{slug}/publish")
    page.click("input[aria-label='SCORM 2004, 4th edition']")
    page.until(lambda: _row(page, "wrong"))
    foretold = _row(page, "wrong")[1:]
    assert foretold == [["completed"], ["failed"], ["0 %"], ["1"]]
    assert _row(page, "right")[1:] == [["completed"], ["passed"], ["100 %"], ["1"]]
    assert violations(page) == []
    put_in_course(page, slug, kind="scorm2004")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    answer(page, taker, wrong_response(taker.grader))
    page.press("Continue")
    for number in (2, 3):
        page.press("Next")
        at_slide(page, number)
    page.top()
    page.press("Leave")
    page.until(lambda: facts(page).get("Success") == "failed")
    found = facts(page)
    told = (found["Completion"], found["Success"], f"{found['Score']} %",
            str(len(page.all("[data-answer]"))))
    assert [[one] for one in told] == foretold
    # The author asks for less now: what was published last told it otherwise.
    page.go(f"/courses/{slug}/publish")
    page.see("The package published last is told of the same.")
    [_, passing] = page.all("[aria-label='Complete when'] input[type=checkbox]")
    passing.click()
    page.until(lambda: _row(page, "wrong")[2] == ["unknown", "was failed"], patience=60)
    page.see("are told otherwise than by the package published last.")
