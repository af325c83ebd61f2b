"""A course whose progress is longer than SCORM 1.2 keeps: the author decides, the learner hears."""

import random
import string

from zigzag_core.course import Course, CourseDocument

from tests.core.test_questions import slide_with

from .packages import imported, inside

QUESTIONS = 6
"""So many open questions of a thousand letters each: about 6,000 characters of progress."""


def _course():
    slides = []
    for number in range(QUESTIONS):
        slide = slide_with("open_answer", seed=number)
        question = slide.questions[0].model_copy(update={"at_most": 1_000})
        slides.append(slide.model_copy(update={"questions": (question,)}))
    return CourseDocument(slides=tuple(slides), course=Course(
        id="course", title="Say a lot", slides=tuple(s.id for s in slides)))


def _letters(number):
    draw = random.Random(number)
    return "".join(draw.choice(string.ascii_letters + string.digits) for _ in range(950))


def test_progress_that_outgrows_the_lms_is_decided_on_and_told(page, server):
    slug = imported(server, _course())
    # On a slow line the button is there before it is known how long progress gets.
    page.line(latency=700)
    page.go(f"/courses/{slug}/publish")
    page.press("Publish as SCORM 1.2")
    page.find("[role=alertdialog]")
    page.line()
    page.see("more than every LMS with SCORM 1.2 keeps")
    page.see("texts in surveys and in answers that nobody judges")
    page.press("Do not publish")
    page.gone("[role=alertdialog]")
    page.press("Publish as SCORM 1.2")
    page.press("Publish all the same")
    page.press("Try it in the practice LMS")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    for number in range(QUESTIONS):
        page.until(lambda: page.find("main textarea").is_enabled())
        page.find("main textarea").send_keys(_letters(number))
        page.press("Submit")
        if number < QUESTIONS - 1:
            page.press("Next")
            page.until(lambda n=number: f"Slide {n + 2} of" in page.find("body").text)
    page.see("Your LMS has no room for all of your progress")
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.see(f"have seen {QUESTIONS} of {QUESTIONS}")
    page.press("Resume")
    page.until(lambda: page.find("main textarea").get_property("value") == _letters(QUESTIONS - 1))
