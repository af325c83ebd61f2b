"""A quiz: made of a section in Plan, and taken in a real package in the practice LMS."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.core.quiz_course import FIRE, LAST, check_drawn, keys_course

from .packages import imported, inside, launch
from .test_resilience import _new_course


def _opened(page, server, document) -> None:
    """Import `document` and open its plan."""
    slug = imported(server, document)
    page.go(f"/courses/{slug}/plan")


def _plain(document):
    section = document.course.sections[0].model_copy(update={"quiz": None})
    return document.model_copy(update={
        "course": document.course.model_copy(update={"sections": (section,)})})


def _put(page, label: str, number: object) -> None:
    field = page.find(f"input[aria-label='{label}']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(str(number))


def _numbers(page) -> str:
    """What stands beside the settings, once it is about them as they are."""
    return page.find("[data-numbers=new]").text


def test_a_quiz_without_a_question_waits_for_nothing(page):
    slug = _new_course(page, "Empty quiz")
    page.go(f"/courses/{slug}/plan")
    page.press("New section")
    page.click("[aria-label^='Make “'][aria-label$='a quiz']")
    page.find("[data-quiz]")
    page.saved()
    page.until(lambda: not page.all("main [aria-busy=true]"), "nothing to be worked out")


def test_a_section_becomes_a_quiz_with_sets_limits_and_numbers(page, server):
    _opened(page, server, _plain(keys_course()))
    page.click("[aria-label='Make “Before you get the keys” a quiz']")
    page.find("[data-quiz=secquiz]")
    page.until(lambda: "17 questions" in page.find("[data-set]").text)
    page.until(lambda: "different quizzes" in _numbers(page))
    # All 17 questions come, in any order; two learners share all of them.
    assert "3.56 × 10¹⁴" in _numbers(page) and "17 of 17" in _numbers(page)
    _put(page, "Questions to draw from Set 1", 3)
    page.until(lambda: "4,080" in _numbers(page) and "0.5 of 3" in _numbers(page))
    assert "each by 18 ± 4" in page.find("[data-set]").text
    # A set of its own for two slides, of which one comes.
    page.press("New set")
    page.click("[data-set] [aria-label='Show the slides of Set 1']")
    for title in FIRE[:2]:
        page.click(f"[aria-label='Select {title}']")
    page.until(lambda: "2 slides selected" in page.find("[data-set]").text)
    Select(page.find("select[aria-label='Move to …']")).select_by_visible_text("Set 2")
    page.until(lambda: "2 questions" in page.all("[data-set]")[1].text)
    _put(page, "Questions to draw from Set 2", 1)
    page.until(lambda: "5,460" in _numbers(page))
    # Limits: one first, two together, a hard one at least.
    Select(page.find("[aria-label='Place of Dry socks']")).select_by_value("first")
    page.click("[aria-label='Select Two tired children']")
    page.click("[aria-label='Select A lost boot']")
    page.click("[aria-label='Keep together']")
    page.until(lambda: page.find("[data-set]").text.count("together") == 2)
    page.press("Add a balance")
    before = _numbers(page)
    page.until(lambda: page.find("[aria-label='At least so many']"))
    _put(page, "At least so many", 3)
    page.until(lambda: _numbers(page) != before)
    many = _numbers(page)
    page.saved()
    page.browser.refresh()
    page.click("[aria-label^='Quiz “Before']")
    page.until(lambda: _numbers(page) == many)
    # Without the section being a quiz its slides stay; undo makes it one again.
    page.press("Make it a plain section")
    page.find("[aria-label='Make “Before you get the keys” a quiz']")
    page.find("[aria-label=Route]").send_keys("")
    page.browser.execute_script("""dispatchEvent(new KeyboardEvent("keydown", {
        key: "z", ctrlKey: true, bubbles: true }))""")
    page.find("[aria-label^='Quiz “Before']")


def test_more_than_there_is_cannot_be_drawn_and_is_said_at_the_set(page, server):
    _opened(page, server, keys_course())
    page.click("[aria-label^='Quiz “Before']")
    page.click("[data-set=setfire] [aria-label='Show the slides of Fire']")
    for title in FIRE[:3]:
        page.click(f"[aria-label='Select {title}']")
    Select(page.find("select[aria-label='Move to …']")).select_by_visible_text("In no set")
    alert = page.find("[data-set=setfire] [role=alert]")
    page.until(lambda: "draws 2 questions, but it has 1" in alert.text)
    # Those in no set come to everybody.
    page.until(lambda: len(page.all("[data-unset]")) == 4)
    _put(page, "Questions to draw from Fire", 1)
    page.gone("[data-set=setfire] [role=alert]")


def test_what_a_learner_gets_is_listed_by_number(page, server):
    _opened(page, server, keys_course())
    page.click("[aria-label^='Quiz “Before']")
    page.open("What would a learner get?")
    lists = {}
    for seed in (7, 8):
        _put(page, "Number of the learner", seed)
        drawn = page.find(f"[data-drawn='{seed}']")
        page.until(lambda drawn=drawn: len(drawn.text.splitlines()) == 10
                   and drawn.text.splitlines() not in lists.values())
        lists[seed] = drawn.text.splitlines()
        check_drawn(["Hello, warden", *lists[seed]])
    # Played, the quiz is the one that was listed.
    page.click("[aria-label='Play it as learner 8']")
    page.see("as learner 8")
    page.frames("iframe[title='The course']")
    page.find("main.zz-view")
    assert _taken(page) == lists[8]


def _title(page) -> str:
    """The title of the slide that is shown, without the name of the question."""
    return page.find("main.zz-view").get_attribute("aria-label").split(": ", 1)[1]


def _taken(page) -> list[str]:
    """Go on to the last slide; return the titles of all slides from here on."""
    titles = [_title(page)]
    while titles[-1] != LAST:
        page.press("Next")
        page.until(lambda: _title(page) != titles[-1])
        titles.append(_title(page))
    return titles


def test_a_learner_gets_a_draw_keeps_it_and_gets_another_one(page, server):
    launch(page, server, keys_course(again="unseen"))
    page.find("main.zz-view")
    assert "of 11" in page.find("main.zz-view").get_attribute("aria-label")
    first = [_title(page)]
    for _ in range(4):
        page.press("Next")
        page.until(lambda: _title(page) != first[-1])
        first.append(_title(page))
    # Left in the middle, the quiz is the same on coming back.
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.see(f"“{first[-1]}”")
    page.see("of 11")
    page.press("Resume")
    page.until(lambda: _title(page) == first[-1])
    first += _taken(page)[1:]
    check_drawn(first)
    page.click("[data-opens=menu]")
    menu = [item.text.splitlines()[0] for item in page.all(".zz-menu li")]
    assert menu == first
    page.click("[data-opens=menu]")
    # Again: another draw, of fire the two that have not been seen.
    page.press("Again")
    page.until(lambda: _title(page) != LAST)
    second = ["Hello, warden", *_taken(page)]
    check_drawn(second)
    assert not set(first) & set(second) & set(FIRE)
