"""Paths that were played once and are played again after every change."""


from tests.core.test_questions import document, slide_with

from .packages import imported

FRAME = "iframe[title='The course']"


def test_a_path_with_a_long_answer_is_kept_and_everything_stays_saved(page, server):
    made = document(slide_with("open_answer"))
    slug = imported(server, made)
    page.go(f"/courses/{slug}/rehearse")
    page.frames(FRAME)
    page.find("main textarea").send_keys("Wax the boards before it rains. " * 40)
    page.press("Submit")
    page.top()
    page.find("input[aria-label='Name of the walkthrough']").send_keys("With words")
    page.press("Keep this path")
    page.see("With words")
    page.saved()

    page.browser.refresh()
    page.see("With words")
    page.see("as recorded")
    [walk] = page.call("get", f"/courses/{slug}")["course"]["walkthroughs"]
    assert any(event["event"] == "answered" for event in walk["events"])
