"""Build by hand: many things at once, layouts, themes, files, finding, earlier states."""

from base64 import b64encode
from itertools import combinations, pairwise

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.core.test_media import picture, svg, video

from .driver import Page
from .test_build import _copy, _rows
from .test_plan import keys
from .test_resilience import _new_course


def add(page: Page, word: str) -> None:
    """Add something by the palette."""
    count = len(page.all("[data-handle]"))
    page.find("[data-stage]").send_keys("/")
    page.find("[role=combobox]").send_keys(word, Keys.ENTER)
    page.until(lambda: len(page.all("[data-handle]")) > count, f"“{word}” on the slide")


def fresh_slide(page: Page, title: str) -> str:
    slug = _new_course(page, title)
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2 and len(page.all("[data-handle]")) == 1)
    return slug


def handle(page: Page, place: int):
    return page.all("[data-handle]")[place]


def box(page: Page, place: int) -> dict:
    return handle(page, place).rect


def drag(page: Page, element, dx: int, dy: int, *held: str) -> None:
    chain = ActionChains(page.browser)
    for key in held:
        chain.key_down(key)
    chain.click_and_hold(element).move_by_offset(dx // 2, dy // 2).move_by_offset(
        dx - dx // 2, dy - dy // 2).release()
    for key in held:
        chain.key_up(key)
    chain.perform()


KINDS = ["Text", "Heading", "Button", "Area", "Rectangle", "Ellipse", "Line", "Arrow", "Callout",
         "Triangle", "Star", "Table", "Text input", "Number input", "Choice list", "Checkbox",
         "Slider", "Progress bar", "Progress ring", "Progress text", "Web page"]


def test_every_kind_is_added_and_stays_after_a_reload(page):
    fresh_slide(page, "All kinds")
    for word in KINDS:
        add(page, word)
    page.saved()
    names = _rows(page)
    assert "Heading" in names and "Text" in names
    page.browser.refresh()
    page.click("[data-stop-button='1']")
    page.until(lambda: _rows(page) == names and len(page.all("[data-handle]")) == len(KINDS) + 1)


def test_things_are_caught_lined_up_grouped_locked_and_hidden(page):
    fresh_slide(page, "In order")
    for _ in range(3):
        add(page, "Ellipse")
    page.until(lambda: len(page.all("[data-handle]")) == 4)
    drag(page, handle(page, 2), -10, 20, Keys.ALT)
    drag(page, handle(page, 3), 10, 30, Keys.ALT)
    # A rubber band around the three, from an empty place of the slide.
    stage = page.find("[data-handles]").rect
    chain = ActionChains(page.browser).move_to_element_with_offset(
        page.find("[data-handles]"), 4 - stage["width"] // 2, 90 - stage["height"] // 2)
    chain.click_and_hold().move_by_offset(int(stage["width"]) - 8, int(stage["height"]) - 100)
    chain.release().perform()
    page.words("3 elements")
    page.press("Align top")
    page.until(lambda: len({round(box(page, n)["y"]) for n in (1, 2, 3)}) == 1)
    page.press("Distribute horizontally")

    def gaps():
        xs = sorted((box(page, n)["x"], box(page, n)["width"]) for n in (1, 2, 3))
        return [b[0] - a[0] - a[1] for a, b in pairwise(xs)]

    page.until(lambda: abs(gaps()[0] - gaps()[1]) <= 1)
    page.find("[data-stage]").send_keys(Keys.CONTROL, "g")
    page.until(lambda: "Group" in _rows(page))
    before = [box(page, n)["x"] for n in (1, 2, 3)]
    top = box(page, 1)["y"]
    drag(page, handle(page, 1), 0, -60, Keys.SHIFT)
    page.until(lambda: all(box(page, n)["y"] < top - 40 for n in (1, 2, 3)))
    assert [box(page, n)["x"] for n in (1, 2, 3)] == before
    page.press("Lock")
    page.find("svg[aria-label='locked']")
    page.press("Unlock")
    page.press("Hide while editing")
    page.until(lambda: len(page.all("[data-handle]")) == 1)
    page.press("Show again")
    page.until(lambda: len(page.all("[data-handle]")) == 4)
    page.find("[data-stage]").send_keys(Keys.CONTROL, Keys.SHIFT, "g")
    page.until(lambda: "Group" not in _rows(page))
    page.saved()


def test_dragging_holds_on_to_others_and_shows_where(page):
    fresh_slide(page, "Holding on")
    add(page, "Rectangle")
    add(page, "Ellipse")
    drag(page, handle(page, 2), 190, 100, Keys.ALT)
    left = box(page, 1)["x"]
    off = round(box(page, 2)["x"] - left)
    chain = ActionChains(page.browser).click_and_hold(handle(page, 2)).move_by_offset(-off // 2, 4)
    chain.move_by_offset(-off - -off // 2 + 3, 6).perform()
    page.find("[data-guides]")
    ActionChains(page.browser).release().perform()
    page.gone("[data-guides]")
    page.until(lambda: abs(box(page, 2)["x"] - left) < 0.6)


def test_a_thing_is_turned_resized_and_set_exactly(page):
    fresh_slide(page, "Turned")
    add(page, "Rectangle")
    page.open("Position and size")
    drag(page, page.find("[data-grip='turn']"), 120, 60, Keys.SHIFT)
    turn = page.find("input[aria-label='Rotation']")
    page.until(lambda: float(turn.get_property("value")) % 15 == 0 != turn.get_property("value"))
    for name, value in (("Rotation", "0"), ("Left", "100"), ("Top", "200"), ("Width", "333")):
        field = page.find(f"input[aria-label='{name}']")
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(value, Keys.TAB)
    drag(page, page.find("[data-grip='right']"), 60, 0, Keys.ALT)
    page.until(lambda: float(page.find("input[aria-label='Width']").get_property("value")) > 400)
    assert page.find("input[aria-label='Left']").get_property("value") == "100"
    page.saved()


def test_copies_keep_their_distance_and_go_to_other_courses(page):
    fresh_slide(page, "Copies")
    add(page, "Slider")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "d")
    page.until(lambda: "Slider 2" in _rows(page))
    drag(page, handle(page, 2), 100, 40, Keys.ALT)
    page.find("[data-stage]").send_keys(Keys.CONTROL, "d")
    page.until(lambda: "Slider 3" in _rows(page))

    def step(a, b):
        return tuple(round(box(page, b)[k] - box(page, a)[k]) for k in ("x", "y"))

    page.until(lambda: step(2, 3) == step(1, 2))
    page.find("[data-stage]").send_keys(Keys.CONTROL, "c")
    page.until(lambda: "Slider 3" in page.browser.execute_script(
        "return localStorage.getItem('zigzag:copied') ?? ''"))
    page.saved()
    fresh_slide(page, "Elsewhere")
    page.find("[data-stage]").click()
    page.paste("Slider 3")
    page.until(lambda: "Slider 3" in _rows(page))
    kept = Select(page.find("select[aria-label='Stored in']"))
    assert kept.first_selected_option.text == "Slider"
    page.saved()


def test_a_table_is_filled_by_keyboard_and_from_a_sheet(page):
    fresh_slide(page, "Table")
    add(page, "Table")
    page.find("[data-stage]").send_keys(Keys.ENTER)
    page.find("[data-cell]").send_keys(Keys.CONTROL, "a")
    keys(page, "Sign", Keys.TAB, "!", Keys.TAB, "Sun", Keys.TAB)
    page.paste("open\tall\nshut\tnone")
    page.until(lambda: len(page.all("[data-cell]")) == 9)
    keys(page, Keys.ESCAPE)
    page.until(lambda: page.find("[data-stage] th").text == "Sign")
    assert [cell.text for cell in page.all("[data-stage] td")][:3] == ["Sun", "open", "all"]
    page.saved()


def test_layouts_are_followed_and_themes_recolour_everything(page):
    fresh_slide(page, "Designed")
    page.click("[data-layout='layoutcards']")
    page.until(lambda: len(page.all("[data-stage] [data-element]")) >= 13)
    page.until(lambda: len(page.all("[data-row]")) == 7)
    page.row_at(1).click()
    page.find("[data-stage]").send_keys(Keys.ENTER)
    page.find("[contenteditable=true]").send_keys("Boots", Keys.ESCAPE)
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    page.click("[data-layout='layoutcolumns']")
    page.until(lambda: "Left heading" in _rows(page) or "Boots" in page.find("[data-stage]").text)
    page.until(lambda: "Boots" in page.find("[data-stage]").text)
    slide = page.find("[data-stage] .zz-slide")
    before = slide.value_of_css_property("background-color")
    page.open("Theme")
    page.click("button[aria-label='Theme Night watch']")
    page.until(lambda: slide.value_of_css_property("background-color") != before)
    weak = page.find("input[aria-label='Colour for main text']")
    page.browser.execute_script("""
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
        set.call(arguments[0], "#333333");
        arguments[0].dispatchEvent(new Event("input", { bubbles: true }));
    """, weak)
    page.see("at least 4.5 is needed")
    page.open("Slide size")
    Select(page.find("select[aria-label='Slide size']")).select_by_visible_text("Upright 9 : 16")
    page.until(lambda: slide.size["height"] > slide.size["width"])
    page.saved()


def test_a_named_style_changes_everywhere(page):
    _copy(page, "Styled")
    before = page.find("[data-stage] [data-element] .zz-words").value_of_css_property("font-size")
    assert before
    page.click("[data-stop-button='5']")
    size = "[data-stage] .zz-words"
    was = page.until(lambda: page.find(size).value_of_css_property("font-size"))
    card = page.find("section[aria-label='Named styles']")
    page.open("Named styles")
    page.browser.execute_script("arguments[0].scrollIntoView()", card)
    page.until(lambda: next(b for b in card.find_elements("css selector", "button")
                            if b.text == "Title").click() or True)
    field = page.until(lambda: card.find_element("css selector", "input[aria-label='Text size']"))
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("40", Keys.TAB)
    page.until(lambda: page.find(size).value_of_css_property("font-size") == "40px" != was)
    page.click("[data-stop-button='2']")
    page.until(lambda: page.find(size).value_of_css_property("font-size") == "40px")
    page.saved()


@pytest.mark.parametrize("count", [40])
def test_many_files_are_dropped_at_once_and_liars_are_named(page, tmp_path, count):
    fresh_slide(page, "Dropped")
    page.press("Media")
    files = {f"drawing {n}.svg": svg(f'<path d="M0 0H{n + 1}V9Z"/>') for n in range(count)}
    files |= {"video.mp4": video(), "photo.jpg": picture("PNG"), "liar.png": b"MZ no picture",
              "broken.mp4": video()[:600]}
    for name, data in files.items():
        (tmp_path / name).write_bytes(data)
    field = page.find("input[aria-label='Files to add']")
    field.send_keys("\n".join(str(tmp_path / name) for name in files))
    page.see("2 files could not be added")
    page.until(lambda: f"{count + 2} files added" in page.find("body").text)
    page.see("“liar.png”")
    page.see("“broken.mp4”")
    page.saved()
    page.see(f"{count + 2} not used")
    page.find("input[aria-label='Search media']").send_keys("video")
    page.until(lambda: len(page.all("button[title='Put on the slide']")) == 1)
    page.click("button[aria-label='Put video.mp4 on the slide']")
    page.find("[data-stage] .zz-video img")
    page.saved()
    page.see("on slide 2")


def test_words_are_found_and_replaced_over_the_course(page):
    _copy(page, "Found")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "f")
    page.find("input[aria-label='Find']").send_keys("stove")
    page.until(lambda: len(page.all("input[aria-label^='Replace in']")) > 3)
    found = len(page.all("input[aria-label^='Replace in']"))
    page.all("input[aria-label^='Replace in']")[0].click()
    page.find("input[aria-label='Replace with']").send_keys("oven")
    page.press(f"Replace in {found - 1} place")
    page.until(lambda: len(page.all("input[aria-label^='Replace in']")) == 1)
    page.saved()
    page.find("[data-stage]").click()
    keys(page, Keys.ESCAPE, Keys.CONTROL, "z")
    page.until(lambda: len(page.all("input[aria-label^='Replace in']")) == found)


def asked(page, path):
    """The addresses with `path` in them that the page has asked for."""
    addresses = page.browser.execute_script(
        "return performance.getEntriesByType('resource').map(entry => entry.name)")
    return [address for address in addresses if path in address]


def test_a_large_course_is_searched_once_for_what_is_typed_and_replaced_by_a_job(page, server):
    slug = server.manage("generate", "--slides", "120", "--questions", "10", "--single-choice")
    page.go(f"/courses/{slug}/build")
    page.find("[data-handle]")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "f")
    page.find("input[aria-label='Find']").send_keys("slide")
    status = "[data-own-keys] [role=status]"
    page.until(lambda: " places" in page.find(status).text and page.find(status).text[0] != "0")
    places = page.find(status).text
    assert 1 <= len(asked(page, "/edits/find/")) < 5, "not for each letter"
    page.find("input[aria-label='Replace with']").send_keys("sheet")
    page.press(f"Replace in {places}")
    page.see(f"Replaced in {places}. Ctrl+Z takes it back.")
    page.until(lambda: page.find(status).text == "0 places")
    assert any(address.endswith("/file") for address in asked(page, "/api/jobs/"))
    page.saved()
    page.find("[data-stage]").click()
    keys(page, Keys.ESCAPE, Keys.CONTROL, "z")
    page.until(lambda: page.find(status).text == places)


def test_an_earlier_state_is_compared_and_brought_back(page):
    _copy(page, "Earlier")
    page.row_at(0).click()
    names = _rows(page)
    page.find("[data-stage]").send_keys(Keys.DELETE)
    page.until(lambda: _rows(page) == names[1:])
    page.saved()
    page.press("Version history")
    page.until(lambda: len(page.all("[data-kept]")) == 2)
    page.all("[data-kept]")[1].click()
    page.words("Then")
    page.press("Restore this version")
    page.press("Running order")
    page.until(lambda: _rows(page) == names)
    page.press("Version history")
    Select(page.find("select[aria-label='of']")).select_by_visible_text("the whole course")
    page.saved()
    page.until(lambda: len(page.all("[data-moment]")) > 10)
    page.all("[data-moment]")[-1].click()
    page.press("Restore the whole course")
    page.saved()


def test_the_palette_goes_to_anything(page):
    _copy(page, "Go anywhere")
    page.find("[data-stage]").send_keys("/")
    page.find("[role=combobox]").send_keys("the rescue radio", Keys.ENTER)
    page.until(lambda: "The rescue radio" in page.find("[data-stage]").text)
    page.find("[data-stage]").send_keys("/")
    page.find("[role=combobox]").send_keys("lantern icon", Keys.ENTER)
    page.until(lambda: "Lantern\nLantern" in page.find("[data-pane=order]").text)
    page.saved()


def test_words_that_run_over_are_marked_and_made_to_fit(page):
    fresh_slide(page, "Too many words")
    add(page, "Heading")
    page.find("[data-stage]").send_keys(Keys.ENTER)
    words = page.find("[contenteditable=true]")
    words.send_keys("Many words. ")
    page.browser.execute_cdp_cmd("Input.insertText", {"text": "Many words. " * 29})
    words.send_keys(Keys.ESCAPE)
    page.find("[data-overflow]")
    page.open("Text layout")
    fit = Select(page.find("select[aria-label='Text overflow']"))
    fit.select_by_visible_text("Shrink text")
    page.gone("[data-overflow]")
    words = page.all("[data-stage] .zz-words")[1]
    assert float(words.value_of_css_property("font-size")[:-2]) < 32
    fit.select_by_visible_text("Grow box")
    page.until(lambda: words.size["height"] > 52)
    page.gone("[data-overflow]")


def test_guides_are_pulled_from_the_rulers_and_held_on_to(page):
    fresh_slide(page, "Guided")
    add(page, "Rectangle")
    page.press("Rulers and guides")
    drag(page, page.find("[data-ruler='down']"), 100, 120)
    guide = page.find("[data-guide='down']")
    page.saved()
    off = round(guide.rect["x"] + 2 - box(page, 1)["x"])
    drag(page, handle(page, 1), off + 4, 7)
    page.until(lambda: abs(box(page, 1)["x"] - guide.rect["x"] - 2) < 1)
    drag(page, guide, 0 - int(guide.rect["x"]), 0)
    page.gone("[data-guide]")
    page.press("Rulers and guides")


def test_a_look_is_copied_to_something_else(page):
    fresh_slide(page, "Looks")
    add(page, "Rectangle")
    add(page, "Ellipse")
    shapes = page.all("[data-stage] .zz-plain")
    colours = [shape.value_of_css_property("background-color") for shape in shapes]
    page.find("[data-stage]").send_keys(Keys.CONTROL, Keys.ALT, "c")
    page.press("Decoration, not read (2)")
    page.row("Rectangle").click()
    page.open("Named style")
    page.press("Paste style")
    page.until(lambda: page.all("[data-stage] .zz-plain")[0].value_of_css_property(
        "background-color") == colours[1] != colours[0])


def test_a_file_is_tagged_shared_used_elsewhere_and_replaced_everywhere(page, tmp_path):
    _copy(page, "Files")
    page.press("Media")
    page.press("Hut map")
    page.find("input[aria-label='Tags']").send_keys("plan, hut", Keys.TAB)
    page.saved()
    page.press("Add to my library")
    page.see("is in your library now.")
    replacement = tmp_path / "new.svg"
    replacement.write_bytes(svg('<path d="M0 0H99V99Z"/>', 'viewBox="0 0 333 222"'))
    page.find("input[aria-label='Replace Hut map']").send_keys(str(replacement))
    page.see("333 × 222")
    page.click("[data-stop-button='1']")
    page.until(lambda: page.find("[data-stage] img").get_property("naturalWidth") == 333)
    page.find("input[aria-label='Search media']").send_keys("plan")
    page.until(lambda: len(page.all("button[title='Put on the slide']")) == 1)
    page.saved()
    fresh_slide(page, "Other course")
    page.press("Media")
    Select(page.find("select[aria-label='From']")).select_by_visible_text("My library")
    page.words("Use", "button").click()
    page.until(lambda: page.find("[data-stage] img").get_property("naturalWidth") == 1120)
    page.saved()


DROP = """
    const [stage, files, x, y] = arguments;
    const data = new DataTransfer();
    for (const [name, bytes] of files) {
      const content = Uint8Array.from(atob(bytes), one => one.charCodeAt(0));
      data.items.add(new File([content], name, { type: "image/png" }));
    }
    stage.dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true,
      cancelable: true, clientX: x, clientY: y }));
"""
BOXES = """
    return [...document.querySelectorAll("[data-stage] img")]
      .filter(e => e.naturalWidth > 100)
      .map(e => e.getBoundingClientRect()).map(b => [b.left, b.top, b.right, b.bottom]);
"""


def test_files_that_are_dropped_together_stand_side_by_side(page):
    fresh_slide(page, "Dropped")
    stage = page.find("[data-stage]")
    files = [(f"photo_{n}.png", b64encode(picture("PNG", size)).decode())
             for n, size in enumerate([(900, 600), (901, 600), (400, 900), (902, 300)])]
    place = page.browser.execute_script(
        "const b = arguments[0].getBoundingClientRect(); return [b.x + 40, b.y + 40]", stage)
    page.browser.execute_script(DROP, stage, files, *place)
    page.until(lambda: len(page.browser.execute_script(BOXES)) == len(files), "all to be there")
    boxes = page.browser.execute_script(BOXES)
    for one, other in combinations(boxes, 2):
        assert (one[2] <= other[0] or other[2] <= one[0]
                or one[3] <= other[1] or other[3] <= one[1]), boxes
    page.saved()
