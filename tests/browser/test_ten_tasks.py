"""Ten tasks of a designer, done by hand: what comes out, and how many clicks and keys it takes.

The numbers are those of `docs/tasks.md`; neither may be better or worse than the other.
"""

from pathlib import Path

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from ..core.test_media import video
from ..running import ROOT
from .driver import Page
from .newcomer import Newcomer
from .test_keyboard import palette
from .test_resilience import _new_course

FRAME = "iframe[title='The course']"


def documented(task: str) -> tuple[int, int]:
    """Return the clicks and keys that the docs give for a task."""
    text = (ROOT / "docs" / "tasks.md").read_text("utf-8")
    line = next(line for line in text.splitlines() if line.startswith(f"| {task} |"))
    cells = [cell.strip() for cell in line.strip("|").split("|")]
    return int(cells[1]), int(cells[2])


@pytest.fixture
def newcomer(page):
    return Newcomer(page)


def begin(page: Page, title: str) -> str:
    """A course with one slide more, which is empty, and the keyboard on the slide."""
    slug = _new_course(page, title)
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2 and len(page.all("[data-handle]")) == 1)
    handle = page.find("[data-handle]")
    handle.click()
    ActionChains(page.browser).send_keys(Keys.DELETE).perform()
    page.gone("[data-handle]")
    page.browser.execute_script("document.querySelector('[data-stage]').focus()")
    return slug


def slide_of(page: Page, slug: str, place: int = 1) -> dict:
    page.saved()
    return page.call("GET", f"/courses/{slug}")["slides"][place]["slide"]


def rehearse(page: Page, slug: str, slide: str) -> None:
    page.go(f"/courses/{slug}/rehearse?from={slide}")
    page.frames(FRAME)


def done(newcomer: Newcomer, task: str) -> None:
    assert (newcomer.clicks, newcomer.keys) == documented(task)


def test_five_icons_that_change_a_panel_and_next_after_all_five(page, newcomer):
    slug = begin(page, "Five icons")
    newcomer.click("[aria-label='Media']")
    newcomer.choose("From", "Drawings")
    for n in range(5):
        page.until(lambda: page.all("[data-pane=order] button > img"))
        icons = page.browser.execute_script(
            "return [...document.querySelectorAll('[data-pane=order] button > img')]"
            ".filter(i => i.width === 44).map(i => i.closest('button'))")
        ActionChains(page.browser).click(icons[n]).perform()
        newcomer.clicks += 1
        page.until(lambda n=n: len(page.all("[data-handle]")) == n + 1)
    newcomer.band(*page.all("[data-handle]"))
    page.until(lambda: len(page.all("[data-selected]")) == 5)
    newcomer.add("tabs")
    page.until(lambda: len(page.find("[data-pane=order]").text) and len(
        slide_of(page, slug)["patterns"]) == 1)
    newcomer.click("[aria-label='Running order']")
    page.still("[data-row]")
    rows = [row for row in page.all("[data-row]") if "What “" in row.text]
    newcomer.double_click(rows[0].find_element("css selector", "[data-words]"))
    for n in range(5):
        page.find("[data-typing]")
        newcomer.write(f"About icon {n + 1}")
        newcomer.key(Keys.TAB if n < 4 else Keys.ENTER)
    newcomer.empty_place()
    newcomer.choose("When may learners go on?", "Only when …")
    made = slide_of(page, slug)
    texts = [e for e in made["elements"] if e["kind"] == "text"]
    assert [e["text"]["blocks"][0]["runs"][0]["text"] for e in texts] == [
        f"About icon {n + 1}" for n in range(5)]
    assert len({(e["x"], e["y"], e["w"], e["h"]) for e in texts}) == 1
    palette(page, "New slide: Title")
    page.until(lambda: len(page.all("[data-stop]")) == 3)
    page.saved()
    rehearse(page, slug, made["id"])
    for n in range(5):
        page.press("Next")
        page.find("[role=alert], [role=status]")
        page.all("main [data-element] [role=button], main button[data-element]")[n].click()
        page.see(f"About icon {n + 1}")
    page.press("Next")
    page.until(lambda: not page.all("main img"))
    done(newcomer, "Five icons that change a panel, with Next after all five, from an empty slide")


def test_single_choice_with_words_for_each_answer_and_two_attempts(page, newcomer):
    slug = begin(page, "Single choice")
    newcomer.add("single")
    page.find("input[aria-label='answer 3']")
    for n in (1, 2, 3):
        newcomer.click(f"[aria-label='More for answer {n}']")
        page.until(lambda: "Feedback for" in (
            page.browser.switch_to.active_element.get_attribute("aria-label") or ""))
        newcomer.write(f"About answer {n}.")
    page.browser.switch_to.active_element.send_keys(Keys.ENTER)
    newcomer.keys += 1
    # A new question has two attempts.
    asked = page.until(lambda: next(
        (q for q in slide_of(page, slug)["questions"] if q["attempts"] == 2), None))
    assert [c["says"]["blocks"][0]["runs"][0]["text"] for c in asked["choices"]] == [
        "About answer 1.", "About answer 2.", "About answer 3."]
    done(newcomer, "Single choice with words for each answer and two attempts")


def test_an_answer_table_of_four_answers_with_a_button_that_appears_when_right(page, newcomer):
    slug = begin(page, "Answer table")
    newcomer.add("multiple")
    page.find("input[aria-label='answer 3']")
    while not page.all("input[aria-label='answer 4']"):
        newcomer.press("Add answer")
        page.find("input[aria-label='answer 4']")
    newcomer.press("Answer table")
    newcomer.press("Row")
    page.find("[role=group][aria-label='Row 1']")
    cells = "[role=group][aria-label='Row 1'] button[title]"
    for n in range(4):
        page.until(lambda: len(page.all(cells)) >= 4)
        page.all(cells)[n].click()
        newcomer.clicks += 1
    newcomer.click("[aria-label='Feedback of row 1']")
    newcomer.write("All four belong into the sack.")
    newcomer.empty_place()
    newcomer.add("button")
    page.chosen("Button")
    newcomer.choose("Shown", "Only when …")
    made = page.until(lambda: next((s for s in [slide_of(page, slug)] if any(
        isinstance(e["shown"], list) for e in s["elements"])), None))
    button = next(e for e in made["elements"] if isinstance(e["shown"], list))
    assert button["shown"] == ["right", made["questions"][0]["id"]]
    row = made["questions"][0]["table"][0]
    assert list(row["cells"].values()) == [True] * 4 and row["words"]["blocks"]
    done(newcomer, "Answer table of four answers with a button that appears when right")


def test_a_drag_question_from_four_shapes_that_are_there(page, newcomer):
    slug = begin(page, "Four shapes")
    for word in ("Rectangle", "Rectangle", "Ellipse", "Ellipse"):
        Newcomer(page).add(word)
        page.until(lambda: page.all("[data-selected]"))
    page.until(lambda: len(page.all("[data-handle]")) == 4)
    newcomer.band(*page.all("[data-handle]"))
    page.until(lambda: len(page.all("[data-selected]")) == 4)
    newcomer.choose("Make it a question", "Drag to target")
    page.words("Make it", "button")
    newcomer.press("Make it")
    asked = page.until(lambda: next(iter(slide_of(page, slug)["questions"]), None))
    assert asked["kind"] == "drag_to_target"
    assert len(asked["items"]) == 2 and len(asked["targets"]) == 2
    done(newcomer, "Drag question from four shapes that are there")


def test_nine_cards_to_tick_off_with_a_counter(page, newcomer):
    slug = begin(page, "Nine cards")
    newcomer.add("9 check")
    page.until(lambda: len(page.all("[data-handle]")) == 9)
    newcomer.add("seen c")
    page.until(lambda: len(page.all("[data-handle]")) == 10)
    made = slide_of(page, slug)
    rehearse(page, slug, made["id"])
    page.see("9 still to see")
    page.all("main [role=checkbox]")[0].click()
    page.see("8 still to see")
    done(newcomer, "Nine cards to tick off with a counter")


def test_three_videos_side_by_side_of_one_size(page, newcomer, tmp_path):
    slug = begin(page, "Three videos")
    files: list[Path] = []
    for n, size in enumerate(((320, 180), (640, 360), (320, 180)), 1):
        files.append(tmp_path / f"walk_{n}.mp4")
        files[-1].write_bytes(video(size=size))
    page.browser.switch_to.active_element.send_keys("/")
    field = page.find("[role=combobox][aria-label='What to add or do']")
    field.send_keys("video")
    page.find("[role=option][aria-selected=true]")
    # The browser's window for files opens here: three files and its button are counted as clicks.
    newcomer.keys += len("/video") + 1
    newcomer.clicks += 4
    page.find("input[type=file][aria-label='File to add']").send_keys("\n".join(map(str, files)))
    page.until(lambda: len(page.all("[data-handle]")) == 3)
    newcomer.band(*page.all("[data-handle]"))
    page.until(lambda: len(page.all("[data-selected]")) == 3)
    newcomer.click("[aria-label='Side by side, all of one size']")

    def videos_in_a_row() -> list[dict]:
        found = [e for e in slide_of(page, slug)["elements"] if e["kind"] == "video"]
        return found if len({(e["y"], e["w"], e["h"]) for e in found}) == 1 else []

    videos = page.until(videos_in_a_row)
    left, middle, right = sorted(videos, key=lambda e: e["x"])
    assert left["x"] + left["w"] <= middle["x"] and middle["x"] + middle["w"] <= right["x"]
    done(newcomer, "Three videos side by side, same size, aligned")


def test_a_slide_like_the_last_one_with_other_words(page, newcomer):
    slug = begin(page, "Like the last")
    Newcomer(page).add("title")
    page.until(lambda: len(page.all("[data-handle]")) == 1)
    page.saved()
    stop = page.still("[data-stop-button='1']")
    ActionChains(page.browser).context_click(stop).perform()
    newcomer.clicks += 1
    newcomer.press("Duplicate (Ctrl D)")
    page.until(lambda: len(page.all("[data-stop]")) == 3)
    assert len(slide_of(page, slug, 2)["elements"]) == 1
    done(newcomer, "A slide like the last one with other words")


def test_a_menu_of_six_rooms_each_seen_then_on(page, newcomer):
    slug = begin(page, "Six rooms")
    newcomer.add("6 path")
    page.until(lambda: len(page.all("[data-handle]")) == 6)
    newcomer.press("Make a slide for each path")
    page.until(lambda: len(page.all("[data-stop]")) == 9)
    newcomer.empty_place()
    newcomer.choose("When may learners go on?", "Only when …")
    made = slide_of(page, slug)
    rehearse(page, slug, made["id"])
    for n in range(6):
        page.press(f"Go this way {n + 1}")
        page.until(lambda: not page.all("main [role=button]"))
        page.press("Next")
        page.button("Go this way 1")
    page.press("Next")
    page.see("After")
    done(newcomer, "Menu of six rooms, each seen, then on")


def test_the_feedback_of_the_whole_course_is_designed(page, newcomer):
    slug = begin(page, "Feedback design")
    newcomer.press("Feedback design")
    newcomer.choose("Position", "Beside the question")
    newcomer.click("section[aria-label='Feedback design'] [aria-label^='Background']")
    newcomer.click("[role=dialog] [aria-label='tint']")
    page.saved()
    design = page.call("GET", f"/courses/{slug}")["course"]["feedback"]
    assert design["place"] == "beside" and design["style"]["fill"] == "soft"
    done(newcomer, "Feedback design of the whole course")


def test_a_course_is_published_and_tried_as_a_learner(page, newcomer):
    begin(page, "Tried out")
    Newcomer(page).add("title")
    page.until(lambda: len(page.all("[data-handle]")) == 1)
    page.saved()
    newcomer.press("Publish")
    newcomer.press("Publish as SCORM 1.2")
    newcomer.press("Try it in the practice LMS")
    newcomer.press("Launch")
    page.frames("iframe", "iframe")
    done(newcomer, "Publish and try as a learner")
