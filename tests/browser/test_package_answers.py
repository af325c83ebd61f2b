"""Answers in a real package: when they are judged, what is said, and where the focus goes."""

from selenium.webdriver import ActionChains
from zigzag_core.course import Area, Course, CourseDocument, Picture, SlideSize, Text
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.elements.element import Drag
from zigzag_core.course.questions import question as q
from zigzag_core.course.rules.rule import Calculate, MoveAlong
from zigzag_core.course.rules.timing import Move
from zigzag_core.course.text.rich_text import (
    Block,
    RichText,
    TextRun,
    ValueFormat,
    ValueRun,
)
from zigzag_core.editing.patterns import make_pattern
from zigzag_core.grading.solutions import right_response, wrong_response

from tests.core.making import button, course, slide, text
from tests.core.samples import fresh_ids
from tests.core.test_questions import Taking, document, slide_with

from .packages import element_of, inside, launch


def said(page):
    return page.find("[aria-live=polite].zz-hidden").get_property("textContent")


def focused(page):
    return page.browser.switch_to.active_element


def choose(page, taker, response):
    for part, _ in response:
        page.click(f"[data-element={element_of(taker, part)}]")


def with_a_slide_after(slide):
    after = blank_slide("After", fresh_ids(9))
    return CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, after.id)), slides=(slide, after))


def test_an_answer_that_is_judged_on_leaving_is_said_before_the_slide_goes(
        page, server):
    slide = slide_with("single_choice")
    slide = slide.model_copy(update={"questions": (
        slide.questions[0].model_copy(update={"judged": "leaving", "attempts": 3}),)})
    made = with_a_slide_after(slide)
    taker = Taking(made)
    launch(page, server, made)
    choose(page, taker, wrong_response(taker.grader))
    page.press("Next")
    page.words("Not right yet")
    page.press("Try again")
    page.gone("[role=dialog]")
    assert page.find("main").get_attribute("aria-label").startswith("Slide 1 of 2")
    # The same answer again: nothing is judged, the slide goes.
    page.press("Next")
    page.until(lambda: page.find("main").get_attribute("aria-label").startswith("Slide 2 of 2"))
    page.press("Back")
    choose(page, taker, right_response(taker.grader))
    page.press("Next")
    page.words("Well done.")
    page.press("Continue")
    page.until(lambda: page.find("main").get_attribute("aria-label").startswith("Slide 2 of 2"))
    page.top()
    page.see("The result of answer 2")
    assert not page.all("[aria-label='The result of answer 3']")


def test_what_is_judged_at_once_has_no_dead_button_and_no_old_answer_to_submit(
        page, server):
    made = document(slide_with("single_choice"), judged="at_once", attempts=3)
    taker = Taking(made)
    launch(page, server, made)
    page.find("main")
    submit = made.slides[0].questions[0].submit
    assert not page.all(f"[data-element={submit}]")
    choose(page, taker, wrong_response(taker.grader))
    page.press("Try again")
    page.gone("[role=dialog]")
    assert not page.all(f"[data-element={submit}]")
    choose(page, taker, right_response(taker.grader))
    page.words("Well done.")


def test_drops_are_said_each_time_and_the_focus_stays_with_what_was_dropped(
        page, server):
    made = document(slide_with("drag_to_target"), wrong_items="return_at_once", attempts=None)
    taker = Taking(made)
    launch(page, server, made)
    item = taker.grader.parts[0]
    right = item.right[0]
    wrong = next(t.id for t in taker.grader.targets if t.id != right)
    thing, count = element_of(taker, item.id), 0

    def put(target):
        box = page.find(f"[data-element={thing}]")
        page.browser.execute_script("arguments[0].focus()", box)
        box.send_keys("\n")
        onto = page.find(f"[data-element={element_of(taker, target)}][role=button]")
        page.browser.execute_script("arguments[0].focus()", onto)
        onto.send_keys("\n")
        page.until(lambda: focused(page).get_attribute("data-element") == thing)

    page.browser.execute_script(
        "window.saidTimes = 0; new MutationObserver((all) => { window.saidTimes += all.length; })"
        ".observe(document.querySelector('[aria-live=polite].zz-hidden'), {childList: true});")
    for _ in range(2):
        put(wrong)
        page.until(lambda: "goes back" in said(page))
        now = page.browser.execute_script("return window.saidTimes")
        assert now > count, "the same words are said again"
        count = now
    put(right)
    page.until(lambda: said(page) == "First item is on Goes here.")
    assert focused(page).get_attribute("aria-label") == "First item, on Goes here"


def test_the_focus_never_falls_to_the_page(page, server):
    made = with_a_slide_after(
        slide_with("rating_scale").model_copy(update={"transcript": "What is said here."}))
    launch(page, server, made)
    page.press("Transcript")
    page.press("Close")
    page.until(lambda: focused(page).get_attribute("data-opens") == "transcript")
    page.press("Slides")
    page.until(lambda: focused(page).get_attribute("aria-current") == "step")
    focused(page).send_keys("\ue00c")
    page.until(lambda: focused(page).get_attribute("data-opens") == "menu")
    for row in made.slides[0].questions[0].rows:
        page.click(f"[data-element={row.element}] input[value='3']")
    page.press("Submit")
    page.words("Your answer was sent.")
    page.press("Continue")
    page.gone("[role=dialog]")
    page.until(lambda: focused(page).tag_name != "body", "the focus fell to the page")


def test_a_drop_counts_near_enough_and_a_move_begins_where_the_thing_then_is(
        page, server):
    target = text("goal", x=600, y=300, w=200, h=100)
    move = Move(id="away", goes="by", path=({"x": 0, "y": 100},), duration=60_000)
    thing = text("thing", x=40, y=40, w=100, h=40, moves=(move,),
                 drag=Drag(targets=("goal",), reach=40))
    launch(page, server, course(slide(
        "slidea", thing, target, button("gogo", MoveAlong(what="thing", move="away"), y=600))))
    box, goal = page.find("[data-element=thing]"), page.find("[data-element=goal]")
    page.browser.execute_script("""
      new MutationObserver(() => { window.aimed ||= document.querySelector(".zz-aimed"); })
        .observe(document.body, {subtree: true, attributeFilter: ["class"]});""")
    edge = -int(page.browser.execute_script(
        "return arguments[0].getBoundingClientRect().width", goal) / 2)
    ActionChains(page.browser).click_and_hold(box).move_to_element_with_offset(
        goal, edge - 60, 0).move_to_element_with_offset(goal, edge - 12, 0).release().perform()
    assert page.browser.execute_script("return window.aimed.dataset.element") == "goal"
    page.until(lambda: said(page) == "thing is on goal.")
    page.click("[data-element=gogo]")
    places = page.until(lambda: page.browser.execute_script(
        "return document.querySelector('[data-element=thing]').getAnimations()"
        ".flatMap((one) => one.effect.getKeyframes().map((at) => at.translate))"))
    # Its middle lies on that of the target: 610 px to the right, 290 px down; then 100 px more.
    assert places == ["610px 290px", "610px 390px"]


def two_pictures():
    """Spot the difference: two differences, each in both pictures, four clicks for both."""
    pictures = [Picture(id=name, name=name, alt=name, x=x, y=100, w=500, h=400)
                for name, x in (("before", 60), ("after0", 700))]
    areas = [Area(id=f"{name}{side}", name=f"{name} {side}", alt=f"{name} {side}", x=x + at, y=200,
                  w=60, h=60, z=3)
             for side, x in (("left", 60), ("right", 700)) for name, at in (("lamp", 60),
                                                                          ("rope", 300))]
    spots = tuple(q.Spot(id=f"{name}spot", element=f"{name}left", also=(f"{name}right",))
                  for name in ("lamp", "rope"))
    asked = q.Hotspot(id="difference", name="Difference", on="before", spots=spots, clicks=4,
                      found_at_once=True, clicks_spent=True, judged="at_once", attempts=1)
    return course(slide("slidea", *pictures, *areas, questions=(asked,)))


def test_differences_are_found_in_either_picture_and_every_click_is_spent(page, server):
    launch(page, server, two_pictures())

    def left(words):
        page.until(lambda: page.find(".zz-left").text == words, words)

    def click(element, x=0, y=0):
        ActionChains(page.browser).move_to_element_with_offset(
            page.find(f"[data-element={element}]"), x, y).click().perform()

    left("0 of 2 found · 4 clicks left")
    click("lampright")
    left("1 of 2 found · 3 clicks left")
    assert said(page) == "Found. 1 of 2 found · 3 clicks left."
    assert len(page.all("[data-found]")) == 2, "in both pictures"
    click("lampleft")
    click("lampright")
    # Between the pictures nothing is hit; beside the places it costs a click, and shows briefly.
    frame = page.find("[data-element=before]").rect
    click("before", frame["width"] / 2 + 10)
    left("1 of 2 found · 3 clicks left")
    click("after0", 0, 60)
    left("1 of 2 found · 2 clicks left")
    assert said(page) == "Nothing to find there. 1 of 2 found · 2 clicks left."
    page.until(lambda: page.all(".zz-brief") and not page.find(".zz-brief").is_displayed())
    page.browser.refresh()
    inside(page)
    page.press("Resume")
    left("1 of 2 found · 2 clicks left")
    click("ropeleft")
    page.words("Right")
    page.press("Continue")
    page.top()
    page.see("The result of answer 1")
    page.see("correct")


def test_whoever_has_no_clicks_left_is_told_what_was_missed(page, server):
    launch(page, server, two_pictures())
    for y in (100, 60, 20, 140):
        ActionChains(page.browser).move_to_element_with_offset(
            page.find("[data-element=before]"), 0, y - 100).click().perform()
    page.find("[role=dialog]")
    page.top()
    page.see("The result of answer 1")
    page.see("wrong")


def test_words_that_change_on_the_slide_are_said_in_the_one_place(page, server):
    add = Calculate(action="add", variable="scorevar", value=1)
    points = Text(id="points", name="Points", y=300, text=RichText(blocks=(
        Block(runs=(TextRun(text="You have "), ValueRun(
            of="scorevar", format=ValueFormat(one="# point", many="# points")))),
        Block(runs=(TextRun(text="Carry on."),)))))
    start = slide("slidea", button("moreb", add, x=60, y=60, label="More"),
                  button("onee", x=300, y=60, label="First"), points,
                  text("panel", x=300, y=400))
    tabs = make_pattern(start, "reveal_set", ["onee", "panel"], fresh_ids(4), SlideSize()).slide
    made = make_pattern(tabs, "seen_counter", [], fresh_ids(5), SlideSize()).slide
    launch(page, server, course(made))
    page.press("More")
    page.until(lambda: said(page) == "You have 1 point")
    page.press("More")
    page.until(lambda: said(page) == "You have 2 points")
    page.press("First")
    page.until(lambda: said(page) == "All seen")
    assert len(page.all("[aria-live]")) == 1
