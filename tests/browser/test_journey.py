"""One person's way through the whole product: from an empty shelf to a tracked learner."""

from pathlib import Path

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.select import Select
from zigzag_demo import drawings

PACKAGE = ("iframe[title='The package']", "iframe")


def _add(page, what: str) -> None:
    """Add something by the palette, with the keyboard alone."""
    page.find("[data-stage]").send_keys("/")
    box = page.find("[role=combobox]")
    box.send_keys(what)
    page.until(lambda: what.lower() in page.find("[role=option]").text.lower())
    box.send_keys(Keys.ENTER)
    page.gone("[role=combobox]")


def _place(page) -> tuple[int, int, int, int]:
    return tuple(int(float(page.find(f"input[aria-label='{name}']").get_attribute("value")))
                 for name in ("Left", "Top", "Width", "Height"))


def _keys(page, *keys: str) -> None:
    chain = ActionChains(page.browser)
    for key in keys[:-1]:
        chain.key_down(key)
    chain.send_keys(keys[-1])
    for key in keys[:-1]:
        chain.key_up(key)
    chain.perform()


def _rows(page) -> list[str]:
    return [row.text.split("\n")[0] for row in page.all("[data-row]")]


def _set(page, field, text: str) -> None:
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(text)


def _answer(page, words: str) -> None:
    label = page.until(lambda: next(
        label for label in page.all("label.zz-choice") if words in label.text))
    label.click()


def test_from_an_empty_shelf_to_a_tracked_learner(page, tmp_path: Path):
    _make(page, tmp_path)
    _rehearse(page)
    _publish(page)
    _learn(page)
    _read_results(page)


def _make(page, tmp_path: Path) -> None:
    page.go("/")
    page.press("New course")
    page.find("input[aria-label='Title']").send_keys("Night Rules", Keys.ENTER)
    page.find("[data-stage]")
    assert _rows(page) == ["Title", "Opening words", "Start"]

    # Words are edited where they stand.
    page.click("[data-row]")
    page.find("[data-stage]").send_keys(Keys.ENTER)
    editor = page.find("[contenteditable=true]")
    editor.send_keys("Rules for the night")
    editor.send_keys(Keys.ESCAPE)
    page.gone("[contenteditable=true]")
    assert "Rules for the night" in page.find("[data-row]").text

    # A slide of its own, with a text that is moved and sized by keys and by pointer.
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    _add(page, "Text")
    page.until(lambda: _rows(page)[-1] == "Text")
    page.open("Position and size")
    x, y, w, h = _place(page)
    stage = page.find("[data-stage]")
    stage.send_keys(Keys.ARROW_RIGHT)
    stage.send_keys(Keys.SHIFT, Keys.ARROW_DOWN)
    page.until(lambda: _place(page) == (x + 1, y + 10, w, h))
    stage.send_keys(Keys.CONTROL, Keys.ARROW_RIGHT)
    page.until(lambda: _place(page) == (x + 1, y + 10, w + 1, h))
    grip = page.find("[data-grip='bottom right']")
    ActionChains(page.browser).drag_and_drop_by_offset(grip, 40, 20).perform()
    page.until(lambda: _place(page)[2] > w + 60)
    assert _place(page)[:2] == (x + 1, y + 10)
    handle = page.find(f"[data-handle='{_selected(page)}']")
    ActionChains(page.browser).drag_and_drop_by_offset(handle, -60, -40).perform()
    page.until(lambda: _place(page)[0] < x - 60)
    moved = _place(page)
    _keys(page, Keys.CONTROL, "z")
    page.until(lambda: _place(page)[0] == x + 1)
    _keys(page, Keys.CONTROL, "y")
    page.until(lambda: _place(page) == moved)

    # Copies come with a name that counts on; what is deleted comes back.
    _keys(page, Keys.CONTROL, "c")
    page.find("[data-stage]")
    _keys(page, Keys.CONTROL, "v")
    page.until(lambda: _rows(page)[-1] == "Text 2")
    page.find("[data-stage]").send_keys(Keys.DELETE)
    page.until(lambda: _rows(page)[-1] == "Text")
    _keys(page, Keys.CONTROL, "z")
    page.until(lambda: _rows(page)[-1] == "Text 2")
    _add(page, "Ellipse")
    page.until(lambda: page.words("Decoration, not read (1)"))

    # A picture from this computer, with words for those who do not see it.
    file = tmp_path / "night.svg"
    file.write_bytes(drawings.night_round())
    page.find("[data-stage]").send_keys("/")
    page.find("input[type=file][aria-label='File to add']").send_keys(str(file))
    page.until(lambda: "Night" in _rows(page))
    page.find("textarea").send_keys("The hut at night, one window lit.")
    page.until(lambda: page.find("[data-stage] img").get_property("naturalWidth") == 1280)

    # A question of its own slide.
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 3)
    _add(page, "Single choice")
    page.until(lambda: len(_rows(page)) == 6)
    prompt = next(row for row in page.all("[data-row]") if "question text:" in row.text)
    prompt.click()
    page.find("[data-stage]").send_keys(Keys.ENTER)
    page.find("[contenteditable=true]").send_keys("Who locks the door?", Keys.ESCAPE)
    page.gone("[contenteditable=true]")
    for place, words in enumerate(("Nobody", "The last guest", "The warden")):
        row = [row for row in page.all("[data-row]") if "answer," in row.text][place]
        row.click()
        page.find("[data-stage]").send_keys(Keys.ENTER)
        page.find("[contenteditable=true]").send_keys(words, Keys.ESCAPE)
        page.gone("[contenteditable=true]")
    page.click("input[aria-label='The last guest is correct']")
    page.until(lambda: page.find("input[aria-label='The last guest is correct']").is_selected())
    page.click("input[aria-label='Nobody is correct']")
    page.open("Feedback")
    fields = page.all("section[aria-label^='Feedback'] textarea")
    _set(page, fields[0], "Right: it stays on the latch.")

    # A button says where it goes, as a sentence.
    _add(page, "Button")
    page.until(lambda: _rows(page)[-1] == "Button")
    Select(page.find("select[aria-label='Where to go']")).select_by_visible_text("1 Welcome")
    Select(page.find("select[aria-label='Where to go']")).select_by_value("leave")
    _set(page, page.find("input[aria-label='Top']"), "620")
    page.until(lambda: _place(page)[1] == 620)

    # Slides are put in another order by keyboard, and back by undo.
    stop = page.find("[data-stop-button='2']")
    stop.send_keys(Keys.SHIFT, Keys.ARROW_LEFT)
    page.until(lambda: "Slide 3" in page.find("[data-stop-button='1']").get_attribute("aria-label"))
    _keys(page, Keys.CONTROL, "z")
    page.until(lambda: "Slide 3" in page.find("[data-stop-button='2']").get_attribute("aria-label"))
    page.saved()


def _selected(page) -> str:
    return page.find("[data-row][aria-pressed=true]").get_attribute("data-row")


def _rehearse(page) -> None:
    page.press("Rehearse")
    page.frames("iframe[title='The course']")
    page.press("Start")
    page.press("Next")
    page.words("Slide 3 of 3")
    _answer(page, "Nobody")
    page.press("Submit")
    page.see("Right: it stays on the latch.")
    page.top()
    ledger = page.find("aside[aria-label=Ledger]")
    page.until(lambda: "3 of 3" in ledger.text and "1 of 1" in ledger.text)
    assert "100 %" in ledger.text and "completed" in ledger.text
    page.press("Each call in plain words")
    page.see("The result of answer 1 is correct.")
    page.press("Back to Build")
    page.until(lambda: page.find("[data-stop-button='2']").get_attribute("aria-current") == "page")


def _publish(page) -> None:
    page.press("Publish")
    page.click("input[type=checkbox]:not(:checked)")
    page.see("The course is passed when all slides were seen and the score is 80 % or more.")
    page.saved()
    page.press("Publish as SCORM 1.2")
    page.press("Contents")
    page.see("imsmanifest.xml")
    page.press("Try it in the practice LMS")
    page.find("tr[data-learner]")


def _learn(page) -> None:
    page.click("a[aria-label='Launch as Ines Tarrow']")
    page.frames(*PACKAGE)
    page.press("Start")
    page.press("Next")
    _answer(page, "The warden")
    page.press("Submit")
    page.see("Not right yet")
    page.press("Try again")
    page.gone("[role=dialog]")
    page.top()
    page.press("Leave")

    # Back again: asked whether to resume, at the place and with the attempt that is left.
    row = "tr[data-learner='ines-tarrow']"
    page.until(lambda: "not finished yet" in page.find(row).text)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    page.frames(*PACKAGE)
    page.see("have seen 3 of 3")
    page.press("Resume")
    _answer(page, "Nobody")
    page.press("Submit")
    page.see("Right: it stays on the latch.")
    assert not page.all("input[type=radio]:not(:disabled)")
    page.press("Continue")
    page.gone("[role=dialog]")
    page.find(".zz-stage").find_element(By.XPATH, ".//button[normalize-space(.)='Button']").click()
    page.see("You have left the course")
    page.see("Your progress is saved in the LMS")
    page.top()
    page.press("Leave")


def _read_results(page) -> None:
    row = "tr[data-learner='ines-tarrow']"
    page.until(lambda: "passed" in page.find(row).text)
    assert "100" in page.find(f"{row} [data-cell=score]").text
    page.see("2 visits")
    answers = page.all("[data-answer]")
    assert [a.get_attribute("data-answer") for a in answers] == ["wrong", "correct"]
    assert "Answered: The warden" in answers[0].text
    assert "Right would be: Nobody" in answers[0].text
    log = page.find("[aria-label='Log of tracking calls']").text
    for words in ("The course says hello.", "The status is passed.", "LMSSetValue",
                  "cmi.core.exit", "The course says goodbye."):
        assert words in log, words
    assert "error" not in log
