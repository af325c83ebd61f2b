"""A quiz from a pasted text to its result: made in Plan, taken in a real package."""

import re
from base64 import b64decode
from datetime import date
from time import time

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from zigzag_core.course import plain
from zigzag_core.editing.quizzes.outcome import with_outcome

from tests.core.quiz_course import keys_course
from tests.core.samples import fresh_ids
from tests.core.test_quiz_taking import taken_course

from .driver import fit_window
from .packages import goes_on, imported, inside, launch, pass_time, title
from .test_access import violations

TEXT = """What comes off first?
- [x] Boots
- [ ] Hats
Set: Fire

A riddle without an answer

The stove burns all night.
Answer: false
Points: 2
"""


def _put(page, label: str, value: object) -> None:
    field = page.find(f"input[aria-label='{label}']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(str(value))


def _axe(page) -> None:
    """Nothing on the page of the quiz breaks a rule, once its numbers are there."""
    page.find("[data-numbers=new]")
    assert violations(page) == []


def test_questions_are_pasted_and_the_quiz_gets_limits_bands_and_an_outcome(
    page, server
):
    slug = imported(server, keys_course())
    page.go(f"/courses/{slug}/plan")
    page.click("[aria-label^='Quiz “Before']")
    page.press("Add questions")
    page.find("textarea[aria-label='Questions as text']").send_keys(TEXT)
    page.until(lambda: [one.get_attribute("data-read") for one in page.all("[data-read]")] == [
        "single_choice", "misread", "true_false"])
    assert "line 6" in page.find("[data-read=misread]").text
    page.see("1 cannot be read and is left out.")
    page.press("Make 2 questions")
    page.until(lambda: "5 questions" in page.find("[data-set=setfire]").text)
    page.until(lambda: "7 questions" in page.find("[data-set=setguests]").text)

    # It is asked for while what was changed is still on its way.
    page.line(latency=700)
    _put(page, "Questions to draw from Fire", 1)
    page.press("Is the draw fair?")
    page.press("Prove it")
    page.see("Drawn 10,000 times: all limits are kept.")
    page.line()
    _put(page, "Questions to draw from Fire", 2)
    page.see("Questions and orders come as chance gives them.")
    _axe(page)
    page.click("[role=tab][data-value=taken]")
    _axe(page)
    Select(page.find("select[aria-label='Learners move']")).select_by_value("free")
    Select(page.find("select[aria-label='Review afterwards']")).select_by_value("last")
    page.words("Overview of the questions, with flags").click()
    _put(page, "Wait between attempts (min)", 45)
    _put(page, "Attempts", 2)
    Select(page.find("select[aria-label='A further attempt gets']")).select_by_value("wrong")
    _put(page, "Time limit (min)", "1.5")
    page.words("Show the time left")

    page.click("[role=tab][data-value=results]")
    _put(page, "Pass mark (%)", 60)
    page.until(lambda: "at the pass mark of 60 %" in page.find("[data-numbers=new]").text)
    page.see("no outcome slide yet")
    page.press("Add an outcome slide")
    page.find("[aria-label='Open “Your result”']")
    # Two bands come with it: up to the pass mark, and from there on.
    page.until(lambda: len(page.all("[role=group][aria-label='Passed']")) == 1)
    _axe(page)
    page.press("Add a band")
    page.until(lambda: page.all("[role=group][aria-label='Band 3']"))
    page.saved()
    page.browser.refresh()
    page.click("[aria-label^='Quiz “Before']")
    page.click("[role=tab][data-value=results]")
    page.find("[aria-label='Open “Your result”']")
    quiz = page.call("GET", f"/courses/{slug}")["course"]["sections"][0]["quiz"]
    assert (quiz["attempts"], quiz["again"], quiz["time_limit"], quiz["pass_mark"]) == (
        2, "wrong", 90, 60)
    assert (quiz["way"], quiz["review"], quiz["overview"], quiz["wait"]) == (
        "free", "last", True, 45)
    assert [band["least"] for band in quiz["bands"]] == [0, 60, 80]
    page.click("[aria-label='Open “Your result”']")
    # On the slide the panel of the lowest band says when it is shown.
    page.see("Your result")


def test_all_questions_are_made_a_survey_in_one_setting(page, server):
    slug = imported(server, taken_course())
    page.go(f"/courses/{slug}/plan")
    page.click("[aria-label^='Quiz “Keys']")
    page.click("[role=tab][data-value=results]")

    def purposes():
        page.saved()
        return {q["purpose"] for one in page.call("GET", f"/courses/{slug}")["slides"]
                for q in one["slide"]["questions"]}

    choose = "select[aria-label='All questions are']"
    assert page.find(choose).get_attribute("value") == "scored"
    Select(page.find(choose)).select_by_visible_text("survey")
    page.until(lambda: page.find(choose).get_attribute("value") == "survey")
    assert purposes() == {"survey"}
    page.browser.execute_script("document.activeElement.blur()")
    page.find("body").send_keys(Keys.CONTROL, "z")
    page.until(lambda: page.find(choose).get_attribute("value") == "scored")
    assert purposes() == {"scored"}


def test_a_panel_for_each_number_of_right_answers_is_made_from_the_first(page, server):
    slug = imported(server, taken_course(outcomes=()))
    page.go(f"/courses/{slug}/plan")
    page.click("[aria-label^='Quiz “Keys']")
    page.click("[role=tab][data-value=results]")
    page.press("Add an outcome slide")
    page.find("[aria-label='Open “Your result”']")
    Select(page.find("select[aria-label='Measured in']")).select_by_value("right")
    for _ in range(2):
        page.click("[aria-label='Delete this band']")
    page.until(lambda: not page.all("[aria-label='Delete this band']"))
    page.press("Add a band")
    page.press("A band for each number right")
    page.until(lambda: len(page.all("[aria-label='Delete this band']")) == 5)
    page.press("Make the missing panels")
    page.see("5 panels were made.")
    page.press("Add a certificate")
    page.until(lambda: any(e.get_attribute("value") == "Certificate"
                           for e in page.all("[data-line]")))
    _axe(page)
    page.saved()
    course = page.call("GET", f"/courses/{slug}")
    bands = course["course"]["sections"][0]["quiz"]["bands"]
    assert [band["least"] for band in bands] == [0, 1, 2, 3, 4]
    outcome = next(one["slide"] for one in course["slides"] if one["slide"]["title"] ==
                   "Your result" and len(one["slide"]["elements"]) > 5)
    shown = [e["shown"][1] for e in outcome["elements"]
             if isinstance(e["shown"], list) and e["shown"][0] == "in_band"]
    assert {band["id"] for band in bands} <= set(shown)


def test_the_time_of_a_quiz_runs_stays_over_leaving_and_ends_it(page, server):
    launch(page, server, taken_course(time_limit=120, attempts=2, pass_mark=50))
    page.find("main.zz-view")
    assert not page.all(".zz-quiz-clock")
    goes_on(page)
    first = page.find(".zz-quiz-clock").text
    page.until(lambda: page.find(".zz-quiz-clock").text != first, "the time does not pass")
    # An answer that is chosen, and not submitted.
    page.find("main input[type=radio]").send_keys(" ")
    page.find("main input[type=radio]:checked")
    pass_time(page, 50)
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith("1:0"))
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith(("1:0", "0:5")))
    pass_time(page, 45)
    page.until(lambda: page.all(".zz-quiz-clock.zz-ends"), "the end is not announced")
    pass_time(page, 60)
    page.until(lambda: title(page) == "Your result", "the time does not end the quiz")
    page.top()
    # What was chosen was judged, and the LMS was told.
    page.see("The result of answer 1")
    inside(page)
    page.press("Again")
    page.until(lambda: title(page) != "Your result")
    assert page.find(".zz-quiz-clock").text.startswith(("2:00", "1:5"))


def test_a_learner_takes_more_time_and_has_it_after_coming_back(page, server):
    launch(page, server, taken_course(time_limit=120, attempts=2, pass_mark=50))
    page.find("main.zz-view")
    goes_on(page)
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith(("2:00", "1:5")))
    more = Select(page.find("select[aria-label='Time for questions']"))
    more.select_by_value("1.5")
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith(("3:00", "2:5")))
    # The time that there was without it is over, and the quiz goes on.
    pass_time(page, 130)
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith(("0:4", "0:3")))
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: page.find(".zz-quiz-clock").text.startswith(("0:4", "0:3", "0:2")))
    pass_time(page, 50)
    page.until(lambda: title(page) == "Your result", "the longer time does not end the quiz")


def test_finishing_with_open_questions_asks_and_no_attempt_is_left_afterwards(
    page, server
):
    launch(page, server, taken_course(attempts=1))
    page.find("main.zz-view")
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    # Nobody has begun the quiz yet: the course may be started over.
    page.press("Start over")
    for _ in range(2):
        goes_on(page)
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.see("only a certain number of times")
    assert "Start over" not in page.find("body").text
    page.press("Resume")
    for _ in range(2):
        goes_on(page)
    page.press("Next")
    page.see("Questions without an answer: 4. Go on once more to finish the quiz.")
    assert title(page) != "Your result"
    page.press("Next")
    page.until(lambda: title(page) == "Your result")
    page.press("Again")
    page.see("No attempt at this quiz is left.")
    page.press("Back")
    page.until(lambda: title(page) != "Your result")
    assert not any(choice.is_enabled() for choice in page.all("main input[type=radio]"))
    assert page.all("main input[type=radio]") and not page.all("main input:checked")


def _result_of_quiz(page) -> str:
    """What the practice LMS says of the quiz: passed or failed, and the score."""
    found = re.search(r"(passed|failed), \d+ %", page.find("body").text)
    return found.group() if found else ""


def test_answers_that_are_judged_at_the_end_can_be_changed_and_reach_the_lms(
    page, server
):
    launch(page, server, taken_course(judged="end", pass_mark=50))
    for _ in range(4):
        goes_on(page)
        assert "Submit" not in page.find("main").text
        page.find("main input[type=radio]").send_keys(" ")
        page.find("main input[type=radio]:checked")
    page.press("Back")
    before = title(page)
    page.until(lambda: page.all("main input[type=radio]:checked"))
    page.all("main input[type=radio]")[1].send_keys(" ")
    page.until(lambda: page.all("main input[type=radio]")[1].is_selected())
    page.top()
    assert "The result of answer" not in page.find("body").text
    inside(page)
    page.press("Next")
    page.until(lambda: title(page) != before)
    page.press("Next")
    page.until(lambda: title(page) == "Your result")
    page.top()
    page.see("The result of answer 4")
    # The quiz is an objective of its own, which the LMS still has at the next visit.
    page.press("Leave")
    page.see("Quiz “Keys”")
    result = _result_of_quiz(page)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.press("Back")
    page.top()
    page.press("Leave")
    page.until(lambda: _result_of_quiz(page) == result)
    assert "refused" not in page.find("body").text


def _clock(page) -> int:
    """The seconds that the quiz's clock shows."""
    minutes, seconds = page.find(".zz-quiz-clock").text.split(":")
    return int(minutes) * 60 + int(seconds)


def _later_on_the_wall(page, seconds: int) -> None:
    """Let the clock on the wall go on while the page's own stands still, as in a sleep."""
    page.browser.execute_script(
        "const now = Date.now.bind(Date), more = arguments[0] * 1000;"
        "Date.now = () => now() + more;", seconds)


def test_questions_are_flagged_left_for_later_and_finished_from_the_overview_on_a_phone(
    page, server
):
    fit_window(page.browser, 390, 844)
    launch(page, server, taken_course(way="free", overview=True, attempts=1))
    goes_on(page)
    first = title(page)
    page.click("button[aria-label='Flag this question']")
    page.find("button[aria-label='Flag this question'][aria-pressed=true]")
    page.press("Later")
    page.until(lambda: title(page) != first)
    page.find("main input[type=radio]").send_keys(" ")
    page.find("main input[type=radio]:checked")
    # Leaving and coming back keeps the flag and what was chosen.
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.button("Questions").send_keys(Keys.ENTER)
    page.find(".zz-overview")
    here = page.browser.switch_to.active_element
    assert here.get_attribute("aria-current") == "step" and "answered" in here.text
    page.see("1 of 4 answered")
    rows = [row.text.replace("\n", " ") for row in page.all(".zz-overview li")]
    assert "flagged" in rows[0] and "open" in rows[0] and "open" in rows[3]
    assert violations(page) == []
    # Nothing is wider than the phone.
    assert page.browser.execute_script(
        "return document.documentElement.scrollWidth <= innerWidth")
    here.send_keys(Keys.ESCAPE)
    page.gone(".zz-overview")
    assert page.browser.switch_to.active_element.text == "Questions"
    page.browser.switch_to.active_element.send_keys(Keys.ENTER)
    page.all(".zz-overview li button")[0].click()
    page.until(lambda: title(page) == first)
    page.press("Questions")
    page.press("Finish the quiz")
    page.see("Questions without an answer: 3. Go on once more to finish the quiz.")
    assert title(page) == first
    page.press("Questions")
    page.press("Finish the quiz")
    page.until(lambda: title(page) == "Your result")
    assert not page.all("[data-opens=overview]")


def test_time_that_goes_on_counts_what_passes_away_and_while_the_machine_sleeps(
    page, server
):
    launch(page, server, taken_course(time_limit=600, away=True, wait=30))
    page.find("main.zz-view")
    goes_on(page)
    page.until(lambda: page.find(".zz-quiz-clock").text != "10:00")
    left, since = _clock(page), time()
    page.top()
    page.press("Leave")
    page.find("a[aria-label='Launch as Ines Tarrow']")
    page.until(lambda: time() - since > 5, "some seconds to pass")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: left - _clock(page) >= 5, "the time away does not count")
    left = _clock(page)
    _later_on_the_wall(page, 300)
    page.until(lambda: left - _clock(page) >= 300, "the time asleep does not count")
    _later_on_the_wall(page, 300)
    page.until(lambda: title(page) == "Your result")
    page.press("Again")
    page.see("The next attempt opens in 30 min.")
    _later_on_the_wall(page, 29 * 60)
    page.press("Again")
    page.see("The next attempt opens in 1 min.")
    _later_on_the_wall(page, 60)
    page.until(lambda: page.button("Again").click() or title(page) != "Your result")
    assert _clock(page) > 590


def test_a_finished_quiz_that_is_not_shown_again_leads_to_its_result(page, server):
    launch(page, server, taken_course(way="onward", review="never"))
    opening = page.find("main.zz-view").get_attribute("aria-label").split(": ", 1)[1]
    goes_on(page)
    assert not page.button("Next").get_attribute("disabled")
    back = page.words("Back", "button")
    assert not back.is_enabled()
    for _ in range(3):
        goes_on(page)
    page.press("Next")
    page.see("Questions without an answer: 4")
    page.press("Next")
    page.until(lambda: title(page) == "Your result")
    page.press("Back")
    page.until(lambda: title(page) == opening)
    page.press("Slides")
    page.until(lambda: len([row for row in page.all(".zz-menu li")
                            if "cannot be opened again" in row.text]) == 4)
    page.press("Next")
    page.until(lambda: title(page) == "Your result")


def _with_result(document):
    """The course with the outcome slide that Plan makes, in place of its own."""
    quiz = document.course.sections[0].quiz
    sections = (document.course.sections[0].model_copy(update={
        "quiz": quiz.model_copy(update={"outcomes": ()})}), *document.course.sections[1:])
    course, slide = with_outcome(
        document.course.model_copy(update={"sections": sections}), "secquiz", fresh_ids())
    by_id = {one.id: one for one in (*document.slides, slide)}
    return document.model_copy(update={
        "course": course, "slides": tuple(by_id[name] for name in course.slides)})


def test_a_result_is_printed_on_one_sheet_without_bar_and_buttons(page, server):
    launch(page, server, _with_result(taken_course(overview=True)))
    address = page.browser.execute_script("return location.href")
    page.browser.get(address)
    page.find("main.zz-view")
    goes_on(page)
    for _ in range(2):
        page.press("Questions")
        page.press("Finish the quiz")
    page.until(lambda: title(page) == "Your result")
    page.browser.execute_script("window.print = () => { window.printed = true; };")
    page.press("Print")
    page.until(lambda: page.browser.execute_script("return window.printed"))
    data = b64decode(page.browser.execute_cdp_cmd(
        "Page.printToPDF", {"preferCSSPageSize": True, "printBackground": True})["data"])
    assert len(re.findall(rb"/Type\s*/Page\b", data)) == 1
    [box] = {match.groups() for match in re.finditer(
        rb"/MediaBox\s*\[0 0 ([\d.]+) ([\d.]+)\]", data)}
    assert float(box[0]) > float(box[1])
    page.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": "print"})
    try:
        page.until(lambda: not page.find(".zz-bar").is_displayed())
        assert not any(one.is_displayed() for one in page.all("main button"))
        text = page.find("main").text
        assert "of 4 points" in text and date.today().isoformat()[:7] in text
    finally:
        page.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": ""})


def test_a_review_shows_what_the_author_says_and_has_its_own_way(page, server):
    document = taken_course(
        judged="end", attempts=1, shows=("answer", "right", "points", "attempts", "feedback"))
    launch(page, server, document)
    goes_on(page)
    assert not page.all(".zz-review")
    page.words("The right answer").click()
    goes_on(page)
    page.words("Another answer").click()
    for _ in range(2):
        goes_on(page)
    page.press("Next")
    page.see("Questions without an answer: 2")
    goes_on(page)
    assert title(page) == "Your result" and not page.all(".zz-review")
    page.press("Back")
    page.until(lambda: title(page) == "Question 4")
    review = page.find(".zz-review")
    assert "Looking back: question 4 of 4" in review.text and "You gave no answer." in review.text
    assert "Right: The right answer" in review.text and "Points: 0 of 1" in review.text
    page.press("Previous question")
    page.press("Previous question")
    page.until(lambda: "question 2 of 4" in page.find(".zz-review").text)
    review = page.find(".zz-review").text
    assert "Your answer: Another answer" in review and "Attempts: 1" in review
    # The feedback for a last answer that is not right, and the mark at the right one.
    assert plain(document.slides[2].questions[0].feedback.last) in review
    assert page.all("main [aria-label*='would have been right'], main .zz-missed")
    assert violations(page) == []
    page.press("Previous question")
    page.until(lambda: "question 1 of 4" in page.find(".zz-review").text)
    assert "Points: 1 of 1" in page.find(".zz-review").text
    assert page.find(".zz-review [aria-disabled=true]").text == "Previous question"
    page.press("Back to the result")
    page.until(lambda: title(page) == "Your result")


def test_a_review_can_keep_the_answers_to_itself(page, server):
    launch(page, server, taken_course(attempts=1, shows=("points",)))
    goes_on(page)
    page.words("Another answer").click()
    page.press("Submit")
    page.press("Try again")
    for _ in range(4):
        page.press("Next")
    page.until(lambda: title(page) == "Your result" or page.all(".zz-closed"))
    if title(page) != "Your result":
        goes_on(page)
    for _ in range(4):
        page.press("Back")
    page.until(lambda: title(page) == "Question 1")
    assert page.find(".zz-review li").text == "Points: 0 of 1"
    assert not page.all("main input:checked") and page.all("main input:disabled")
