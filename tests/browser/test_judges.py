"""Questions as an author makes them: typed, pasted, made of what is there, turned into others."""

from selenium.common.exceptions import NoSuchElementException
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .test_arrange import fresh_slide
from .test_keyboard import palette


def _choose(page, label, words):
    page.until(lambda: next(
        o for o in page.all(f"select[aria-label='{label}'] option") if o.text == words
    ).click() or True, words)


def _is_kind(page, kind):
    page.until(lambda: page.browser.execute_script(
        "return document.querySelector(\"section[aria-label^='Judges'] select[aria-label=Kind]\")"
        "?.selectedOptions[0].text") == kind, kind)


def _pick(page, *names):
    """Select rows of the running order by their names."""
    for place, name in enumerate(names):
        page.until(lambda name=name, place=place: _click(page, name, place > 0) or True, name)


def _click(page, name, more):
    row = next((r for r in page.all("[data-row]") if r.text.split("\n")[0] == name), None)
    if row is None:
        raise NoSuchElementException(name)
    chain = ActionChains(page.browser)
    if more:
        chain.key_down(Keys.CONTROL)
    chain.click(row).key_up(Keys.CONTROL).perform()


def test_answers_are_pasted_turned_into_another_kind_and_taken(page):
    slug = fresh_slide(page, "Pasted")
    palette(page, "Single choice")
    field = page.find("input[aria-label='answer 1']")
    page.browser.execute_script("arguments[0].focus()", field)
    page.paste("Wood\t\tToo slow.\nCoal\tx\nPeat\t\nOil\t\tNever.\n")
    page.until(lambda: page.find("input[aria-label='answer 4']").get_property("value") == "Oil")
    assert page.find("input[aria-label='Coal is correct']").is_selected()
    page.click("[aria-label='More for answer 4']")
    assert page.find("input[aria-label='Feedback for “Oil”']").get_property(
        "value") == "Never."
    # Enter goes on to the next answer, and makes one after the last.
    page.find("input[aria-label='answer 4']").send_keys("!", Keys.ENTER)
    page.until(lambda: page.find("input[aria-label='answer 5']")
               == page.browser.switch_to.active_element)
    page.browser.switch_to.active_element.send_keys("Straw", Keys.TAB)
    palette(page, "Undo")
    page.until(lambda: "Straw" not in page.find("[data-stage]").text)
    _choose(page, "Kind", "Drag to target")
    _is_kind(page, "Drag to target")
    page.until(lambda: "→ Belongs here" in page.find("[aria-label='items']").text)
    page.open("Name and buttons")
    page.press("Add a clear button")
    page.saved()
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.press("Next")
    coal = page.find("[aria-roledescription=movable][aria-label='Coal']")
    ActionChains(page.browser).drag_and_drop(coal, page.find(".zz-target")).perform()
    page.find("[aria-label='Coal, on Belongs here']")
    page.press("Undo")
    page.find("[aria-roledescription=movable][aria-label='Coal']").send_keys(Keys.ENTER)
    page.find("[aria-label='Put Coal on Belongs here']").send_keys(Keys.ENTER)
    page.press("Submit")
    page.see("Well done.")


def test_words_become_blanks_on_the_slide_and_words_again(page):
    fresh_slide(page, "Blanks")
    palette(page, "Fill in the blanks")
    _is_kind(page, "Fill in the blanks")
    _pick(page, "Text with blanks")
    page.find("[data-stage]").send_keys(Keys.ENTER)
    text = page.find("[aria-label='Text of Text with blanks']")
    # The last word: “room.” without its full stop.
    keys = ActionChains(page.browser).key_down(Keys.CONTROL).send_keys(Keys.END)
    keys.key_up(Keys.CONTROL).send_keys(Keys.ARROW_LEFT).key_down(Keys.SHIFT)
    keys.send_keys(*[Keys.ARROW_LEFT] * 4).key_up(Keys.SHIFT).perform()
    page.click("[aria-label='Make “room” a blank']")
    page.until(lambda: len(page.all("[data-gap]")) == 3)
    typed = page.find("textarea[aria-label='Text with blanks']")
    page.until(lambda: typed.get_property("value")
               == "Wet [boots] go into the [drying] [room].")
    page.words("Blank 3: room")
    ActionChains(page.browser).click(page.all("[data-gap]")[0]).perform()
    page.click("[aria-label='Turn it back into text']")
    page.until(lambda: typed.get_property("value") == "Wet boots go into the [drying] [room].")
    text.send_keys(Keys.ESCAPE)
    typed.send_keys(Keys.CONTROL, Keys.END)
    typed.send_keys(" Twice a [day/night].", Keys.TAB)
    page.words("Blank 3: day")
    page.saved()


def test_groups_on_the_slide_become_answers(page):
    slug = fresh_slide(page, "Groups")
    for group, texts in (("Group", ("Text", "Text 2")), ("Group 2", ("Text 3", "Text 4"))):
        for name in texts:
            palette(page, "Text")
            _pick(page, name)
            page.find("[data-stage]").send_keys(Keys.ENTER)
            page.find(f"[aria-label='Text of {name}']").send_keys(f"In {name}", Keys.ESCAPE)
        _pick(page, *texts)
        page.press("Group (Ctrl G)")
        page.chosen(group)
    _pick(page, "Group", "Group 2")
    page.open("Make it a question")
    _choose(page, "Make it a question", "Single choice")
    _is_kind(page, "Single choice")
    page.saved()
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.press("Next")
    page.see("In Text 2")
    assert page.find("main input[aria-label='In Text In Text 2']")
    page.click("main label.zz-choice")
    page.press("Submit")
    page.find("[role=dialog]")


def test_a_question_without_room_goes_onto_a_slide_of_its_own(page):
    fresh_slide(page, "Full")
    palette(page, "Single choice")
    _is_kind(page, "Single choice")
    palette(page, "Matching")
    page.see("There was no free space: the question is on a new slide.")
    page.until(lambda: len(page.all("[data-stop-button]")) == 3)
    _is_kind(page, "Matching")
    page.click("[data-stop-button='1']")
    page.until(lambda: "What do you want to ask?" in page.find("[data-stage]").text)
    assert "What belongs together?" not in page.find("[data-stage]").text
    # The message stays until it is answered, and is reached by keyboard.
    page.press("Put it on the slide before")
    page.until(lambda: len(page.all("[data-stop-button]")) == 2)
    page.until(lambda: "What belongs together?" in page.find("[data-stage]").text)
    assert "What do you want to ask?" in page.find("[data-stage]").text
    page.saved()


def test_an_answer_table_is_read_from_a_spreadsheets_file_once_its_bad_lines_were_seen(
    page, tmp_path
):
    fresh_slide(page, "Table")
    palette(page, "Multiple response")
    _is_kind(page, "Multiple response")
    names = [field.get_property("value") for field in page.all("input[aria-label^='answer ']")]
    file = tmp_path / "table.csv"
    lines = [";".join([*names, "points", "words"]),
             ";".join(["perhaps"] + ["x"] * (len(names) + 1)),
             ";".join(["TRUE"] + ["0"] * (len(names) - 1) + ["0,5", "Only the first – schön."])]
    file.write_bytes("\r\n".join(lines).encode("utf-16"))
    page.open("Answer table")
    page.find("input[aria-label='Table as CSV']").send_keys(str(file))
    page.see("1 row could be read")
    page.see("Line 2: “perhaps” stands where yes, no or any is wanted.")
    assert not page.all("[aria-label='Row 1']")
    page.press("Use 1 row")
    page.until(lambda: page.find("[aria-label='Feedback of row 1']").get_property(
        "value") == "Only the first – schön.")
    assert page.find("[aria-label='Points of row 1']").get_property("value") == "0.5"
    # What nothing can be read from changes nothing.
    file.write_bytes(b"\0\1\2\3")
    page.find("input[aria-label='Table as CSV']").send_keys(str(file))
    page.see("Nothing was changed.")
    page.find("[aria-label='Feedback of row 1']")
    palette(page, "Undo")
    page.until(lambda: not page.all("[aria-label='Feedback of row 1']"))


def test_roles_are_seen_and_swapped_before_a_question_is_made_and_changed_afterwards(page):
    fresh_slide(page, "Roles")
    for _ in range(4):
        palette(page, "Rectangle")
    shapes = ["Rectangle", "Rectangle 2", "Rectangle 3", "Rectangle 4"]
    _pick(page, *shapes)
    page.words("4 elements", "h2")
    page.open("Make it a question")
    _choose(page, "Make it a question", "Drag to target")

    def names(group):
        return [button.text for button in page.all(f"[aria-label='{group}'] button")]

    page.until(lambda: sorted(names("Items") + names("Targets")) == shapes)
    things, targets = names("Items"), names("Targets")
    page.press("Swap")
    page.until(lambda: names("Targets") == things)
    page.find(f"[aria-label='{things[0]}: Make it an item']").click()
    page.until(lambda: things[0] in names("Items"))
    page.press("Make it")
    _is_kind(page, "Drag to target")
    def rows(group, count):
        page.until(lambda: len(page.all(f"[aria-label='{group}'] input[data-words]")) == count)

    rows("items", len(targets) + 1)
    page.press("Swap items and targets")
    rows("targets", len(targets) + 1)
    page.click("[aria-label='More for target 1']")
    page.click("[aria-label='targets'] [aria-label='Make it an item']")
    rows("items", len(things))
    page.click("[aria-label='More for item 2']")
    page.find("[aria-label='Take item 2 out of the question (keep the element)']").click()
    rows("items", len(things) - 1)
    page.open("Name and buttons")
    page.press("Dissolve (keep the elements)")
    page.until(lambda: not page.all("[aria-label='items']"))
    page.see("Decoration, not read (4)")
    palette(page, "Undo")
    page.find("[aria-label='items']")
