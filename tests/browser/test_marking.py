"""An open answer, from the learner's words to the trainer's points."""

from selenium.webdriver.common.keys import Keys

from tests.core.test_questions import document, slide_with

from .packages import imported

ROW = "tr[data-learner='ines-tarrow']"
WORDS = "I would open the air slide first, and then count the beds. " * 6


def test_a_long_answer_is_marked_and_the_mark_changed(page, server):
    made = document(slide_with("open_answer"), points=5)
    slug = imported(server, made)
    page.go("/")
    published = page.job(f"/courses/{slug}/packages", {"kind": "scorm12"})
    put_in = page.job("/practice/packages/from-publication", {"publication": published["package"]})
    page.go(f"/practice/{put_in['practice_package']}")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    page.frames("iframe[title='The package']", "iframe")
    page.find("main textarea").send_keys(WORDS)
    page.press("Submit")
    page.top()
    page.see("The answer given of answer 2")
    page.press("Leave")

    card = page.find("section[aria-label='To mark']")
    assert WORDS.strip() in card.text and "of 5 points" in card.text
    page.find("[aria-label^='Comment on']").send_keys("The order is right.")
    page.find("[data-points]").send_keys("4", Keys.ENTER)
    page.gone("section[aria-label='To mark']")
    page.see("marked: 4 of 5 points")
    page.see("Comment: The order is right.")

    page.press("Change the mark")
    page.find("[data-points]").send_keys(Keys.BACKSPACE, "6", Keys.ENTER)
    assert page.find("[data-points]").get_property("validity")["rangeOverflow"]
    page.find("[data-points]").send_keys(Keys.BACKSPACE, "4.5", Keys.ENTER)
    page.see("marked: 4.5 of 5 points")
    page.press("Change the mark")
    page.press("Withdraw the mark")
    page.see("waits to be marked")
    page.go("/practice")
    page.see("1 answer to mark")
