"""Question banks: kept from a quiz, taken into another course, and how a change arrives."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.core.quiz_course import FIRE, keys_course
from tests.core.test_quiz_taking import taken_course

from .packages import imported
from .test_access import violations


def _imported(page, server, document, title: str) -> str:
    slug = imported(server, document)
    page.go("/")
    page.call("PATCH", f"/courses/{slug}", {"title": title})
    return slug


def _quiz(page, slug: str, title: str) -> None:
    page.go(f"/courses/{slug}/plan")
    page.click(f"[aria-label^='Quiz “{title}']")
    page.find("[data-numbers=new]")


def test_a_change_in_one_course_arrives_in_another_by_the_bank(page, server):
    here = _imported(page, server, keys_course(), "Here")
    there = _imported(page, server, taken_course(), "There")
    _quiz(page, here, "Before")
    page.click("[data-set=setfire] [aria-label='Show the slides of Fire']")
    for name in FIRE[:2]:
        page.click(f"[aria-label='Select {name}']")
    page.press("Keep in a bank")
    page.find("[role=dialog] label input, [role=dialog] input").send_keys("Fire drill")
    page.press("Keep 2 questions")
    page.see("2 questions are in the bank “Fire drill”.")
    page.until(lambda: page.find("[data-set=setfire]").text.count("bank") >= 2)
    page.saved()

    # Found in the other course, and taken by reference.
    _quiz(page, there, "Keys")
    page.press("From a bank")
    page.until(lambda: len(page.all("[role=dialog] [data-bank-question]")) == 2)
    assert violations(page) == []
    page.find("input[aria-label='Search']").send_keys("no such question")
    page.see("No question fits.")
    page.find("input[aria-label='Search']").send_keys(Keys.CONTROL, "a", Keys.BACKSPACE)
    page.until(lambda: len(page.all("[role=dialog] [data-bank-question]")) == 2)
    page.find(f"[aria-label='Select {FIRE[0]}']").click()
    page.press("Add 1 question")
    page.until(lambda: "5 questions" in page.find("[data-set]").text)
    page.saved()

    # Changed where it came from, and given to the bank.
    slide = next(one["slide"] for one in page.call("GET", f"/courses/{here}")["slides"]
                 if one["slide"]["title"] == FIRE[0])
    page.go(f"/courses/{here}/plan")
    line = page.until(lambda: next(
        (e for e in page.all("[data-line]") if e.get_attribute("value") == FIRE[0]), None))
    line.send_keys(Keys.END, ", asked anew")
    page.click("[aria-label^='Quiz “Before']")
    page.see("A question from a bank was changed here.")
    page.press("Give the changes to the bank")
    page.see("The bank has new versions now.")
    page.gone("[data-bank-news]")
    page.saved()
    assert slide["bank"]["version"] == 1

    # The other course is told, takes it, and can undo that.
    _quiz(page, there, "Keys")
    page.see("A question has a newer version in its bank.")
    assert violations(page) == []
    page.press("Take the newer versions")
    page.until(lambda: any(e.get_attribute("value") == f"{FIRE[0]}, asked anew"
                           for e in page.all("[data-line]")))
    page.gone("[data-bank-news]")
    page.saved()


def test_banks_are_looked_through_and_described(page, server):
    page.go("/banks")
    page.find("nav[aria-label='Question banks'] input").send_keys("Rooms", Keys.ENTER)
    page.see("Nothing is in this bank yet.")
    slug = _imported(page, server, keys_course(), "Rooms")
    course = page.call("GET", f"/courses/{slug}")
    bank = next(one["id"] for one in page.call("GET", "/banks") if one["name"] == "Rooms")
    page.call("POST", f"/banks/{bank}/questions", {
        "course": course["course"], "slides": [
            one["slide"] for one in course["slides"] if one["slide"]["title"] in FIRE]})
    page.go("/banks")
    page.words("Rooms").click()
    page.until(lambda: len(page.all("[data-bank-question]")) == len(FIRE))
    assert violations(page) == []
    tags = page.find(f"[aria-label='Tags of {FIRE[1]}']")
    tags.send_keys(Keys.CONTROL, "a")
    tags.send_keys("wood, cellar", Keys.TAB)
    Select(page.find(f"[aria-label='Level of {FIRE[1]}']")).select_by_value("hard")
    page.until(lambda: [(one["tags"], one["level"]) for one in page.call(
        "GET", f"/banks/{bank}/questions?search=cellar")["questions"]] == [
            (["wood", "cellar"], "hard")])
    page.find("input[aria-label='Search']").send_keys("cellar")
    page.until(lambda: len(page.all("[data-bank-question]")) == 1)
