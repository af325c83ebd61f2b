"""Questions as an author makes them: typed, pasted, made of what is there, turned into others."""

from selenium.common.exceptions import NoSuchElementException
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .test_arrange import fresh_slide
from .test_keyboard import palette

PASTE = """
    const [field, text] = arguments;
    const data = new DataTransfer();
    data.setData("text/plain", text);
    field.dispatchEvent(new ClipboardEvent("paste",
      { clipboardData: data, bubbles: true, cancelable: true }));
"""


def _choose(page, label, words):
    page.until(lambda: next(
        o for o in page.all(f"select[aria-label='{label}'] option") if o.text == words
    ).click() or True, words)


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
    page.browser.execute_script(PASTE, field, "Wood\t\tToo slow.\nCoal\tx\nPeat\t\nOil\t\tNever.\n")
    page.until(lambda: page.find("input[aria-label='answer 4']").get_property("value") == "Oil")
    assert page.find("input[aria-label='Coal is right']").is_selected()
    assert page.find("input[aria-label='Said when “Oil” is chosen']").get_property(
        "value") == "Never."
    # Enter goes on to the next answer, and makes one after the last.
    page.find("input[aria-label='answer 4']").send_keys("!", Keys.ENTER)
    page.until(lambda: page.find("input[aria-label='answer 5']")
               == page.browser.switch_to.active_element)
    page.browser.switch_to.active_element.send_keys("Straw", Keys.TAB)
    palette(page, "Undo")
    page.until(lambda: "Straw" not in page.find("[data-stage]").text)
    _choose(page, "kind", "Drag to target")
    page.words("Judges · Drag to target")
    page.until(lambda: "belongs on Belongs here" in page.find("[aria-label='things']").text)
    page.press("Button that clears")
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
    page.words("Judges · Fill in the blanks")
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
    page.click("[aria-label='Make it words again']")
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
        page.words(group, "h2")
    _pick(page, "Group", "Group 2")
    page.press("Ask with this")
    _choose(page, "Make a question of this", "Single choice")
    page.words("Judges · Single choice")
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
    page.words("Judges · Single choice")
    palette(page, "Matching")
    page.see("There was no room left")
    page.press("Onto a new slide")
    page.until(lambda: len(page.all("[data-stop-button]")) == 3)
    page.words("Judges · Matching")
    page.click("[data-stop-button='1']")
    page.until(lambda: "What do you want to ask?" in page.find("[data-stage]").text)
    assert "What belongs together?" not in page.find("[data-stage]").text
    page.saved()


def test_an_answer_table_is_read_from_a_spreadsheets_file_once_its_bad_lines_were_seen(
    page, tmp_path
):
    fresh_slide(page, "Table")
    palette(page, "Multiple response")
    page.words("Judges · Multiple response")
    names = [field.get_property("value") for field in page.all("input[aria-label^='answer ']")]
    file = tmp_path / "table.csv"
    lines = [";".join([*names, "points", "words"]),
             ";".join(["perhaps"] + ["x"] * (len(names) + 1)),
             ";".join(["TRUE"] + ["0"] * (len(names) - 1) + ["0,5", "Only the first – schön."])]
    file.write_bytes("\r\n".join(lines).encode("utf-16"))
    page.find("input[aria-label='Table as CSV']").send_keys(str(file))
    page.see("1 row could be read")
    page.see("Line 2: “perhaps” stands where yes, no or any is wanted.")
    assert not page.all("[aria-label='Row 1']")
    page.press("Take 1 row")
    page.until(lambda: page.find("[aria-label='Words of row 1']").get_property(
        "value") == "Only the first – schön.")
    assert page.find("[aria-label='Points of row 1']").get_property("value") == "0.5"
    # What nothing can be read from changes nothing.
    file.write_bytes(b"\0\1\2\3")
    page.find("input[aria-label='Table as CSV']").send_keys(str(file))
    page.see("Nothing was changed.")
    page.find("[aria-label='Words of row 1']")
    palette(page, "Undo")
    page.until(lambda: not page.all("[aria-label='Words of row 1']"))


def test_roles_are_seen_and_swapped_before_a_question_is_made_and_changed_afterwards(page):
    fresh_slide(page, "Roles")
    for _ in range(4):
        palette(page, "Rectangle")
    shapes = ["Rectangle", "Rectangle 2", "Rectangle 3", "Rectangle 4"]
    _pick(page, *shapes)
    page.words("4 elements", "h2")
    page.press("Ask with this")
    _choose(page, "Make a question of this", "Drag to target")

    def names(group):
        return [button.text for button in page.all(f"[aria-label='{group}'] button")]

    page.until(lambda: sorted(names("Things to place") + names("Targets")) == shapes)
    things, targets = names("Things to place"), names("Targets")
    page.press("Swap")
    page.until(lambda: names("Targets") == things)
    page.find(f"[aria-label='{things[0]}: make it a thing']").click()
    page.until(lambda: things[0] in names("Things to place"))
    page.press("Make it")
    page.words("Judges · Drag to target")
    def rows(group, count):
        page.until(lambda: len(page.all(f"[aria-label='{group}'] input[data-words]")) == count)

    rows("things", len(targets) + 1)
    page.press("Swap things and targets")
    rows("targets", len(targets) + 1)
    page.all("[aria-label='targets'] [aria-label='Make it a thing']")[0].click()
    rows("things", len(things))
    page.find("[aria-label='Take thing 2 out, but keep it on the slide']").click()
    rows("things", len(things) - 1)
    page.press("Dissolve, keep the elements")
    page.until(lambda: not page.all("[aria-label='things']"))
    page.see("Decoration, not read (4)")
    palette(page, "Undo")
    page.find("[aria-label='things']")
