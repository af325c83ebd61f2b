"""Time in a real package: it passes without anything being done."""

from zigzag_core.course import Text, ValueRun
from zigzag_core.course.questions.feedback import Feedback
from zigzag_core.course.text.rich_text import Block, RichText, rich

from tests.core.test_questions import document, slide_with

from .packages import launch, pass_time


def test_a_time_limit_runs_out_by_itself_and_locks_the_question(page, server):
    made = document(slide_with("numeric"), time_limit=10, attempts=2,
                    feedback=Feedback(time_up=rich("The boat has left.")))
    launch(page, server, made)
    first = page.find("[role=timer]").text
    page.until(lambda: page.find("[role=timer]").text != first, "the time left does not move")
    page.find("main input").send_keys("1234567")
    page.press("Submit")
    page.see("Try again")
    page.see("The boat has left.")
    page.until(lambda: "Try again" not in page.find("body").text)
    page.press("Continue")
    page.gone("[role=dialog]")
    assert not page.find("main input").is_enabled()
    page.top()
    page.see("The result of answer 1")


def test_a_text_that_shows_the_time_follows_it(page, server):
    slide = slide_with("numeric")
    clock = Text(id="clocktext", name="Clock", x=20, y=20, w=300, h=60, text=RichText(
        blocks=(Block(runs=(ValueRun(of="seconds"),)),)))
    slide = slide.model_copy(update={"elements": (*slide.elements, clock)})
    launch(page, server, document(slide))
    page.words("2")


def test_a_time_limit_warns_before_it_ends(page, server):
    launch(page, server, document(slide_with("numeric"), time_limit=300))
    page.find("[role=timer]")

    def said():
        return page.find("[aria-live=polite].zz-hidden").get_property("textContent")

    assert said() == "" and not page.all(".zz-ends")
    pass_time(page, 245)
    page.until(lambda: said() == "1 minute left.")
    assert page.all(".zz-ends")
    pass_time(page, 48)
    page.until(lambda: said() == "10 seconds left.")
