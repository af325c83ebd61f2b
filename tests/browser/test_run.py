"""What is built runs: inputs, meters, videos, areas, groups and forks, as learners meet them."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.core.test_media import sound, video

from .driver import Page
from .test_arrange import add, fresh_slide
from .test_plan import keys


def _rehearse(page: Page) -> None:
    page.saved()
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.ESCAPE, "r")
    page.frames("iframe[title='The course']")


def test_what_is_entered_is_kept_and_told(page):
    fresh_slide(page, "Entered")
    for word in ("Text input", "Checkbox", "Slider", "Choice list", "Progress ring"):
        add(page, word)
        # Out of each other's way, so that each can be clicked.
        for _ in range(5):
            page.find("[data-stage]").send_keys(Keys.SHIFT, Keys.ARROW_DOWN)
        page.find("[data-stage]").send_keys(Keys.ESCAPE)
    page.find("[data-stage]").send_keys(Keys.CONTROL, "a")
    page.press("Align left")
    page.press("Distribute vertically")
    _rehearse(page)
    field = page.find("main input.zz-box")
    field.send_keys("Ilse", Keys.ENTER)
    page.browser.execute_script("arguments[0].click()", page.find("main input[type=checkbox]"))
    slider = page.find("main input[type=range]")
    slider.send_keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)
    page.until(lambda: page.find("main output").text == "2")
    page.find("main select").send_keys("Second")
    assert page.find("main [role=meter]").get_attribute("aria-valuemax") == "2"
    page.top()
    for words in ("Ilse", "Second"):
        page.see(words)


def test_videos_and_audio_play(page, tmp_path):
    fresh_slide(page, "Video and audio")
    words = tmp_path / "words.srt"
    words.write_text("1\n00:00:01,000 --> 00:00:09,000\nRain on the roof.\n")
    for name, data in (("night.webm", video("webm", "libvpx-vp9")), ("hum.wav", sound("wav"))):
        (tmp_path / name).write_bytes(data)
        before = len(page.all("[data-handle]"))
        page.find("[data-stage]").send_keys("/")
        page.find("input[aria-label='File to add']").send_keys(str(tmp_path / name))
        page.until(lambda n=before: len(page.all("[data-handle]")) == n + 1)
        if name == "night.webm":
            page.find("input[aria-label='Captions of night.webm']").send_keys(str(words))
            page.see("1 caption")
    page.find("[data-stage] .zz-video")
    page.find("[data-stage] .zz-audio")
    _rehearse(page)
    for kind in ("video", "audio"):
        player = page.find(f"main {kind}")
        page.until(lambda p=player: (p.get_property("duration") or 0) > 0.9)
    # A machine without a sound card plays no sound; a video it does.
    playing = page.find("main video")
    page.browser.execute_script("arguments[0].muted = true; arguments[0].play()", playing)
    page.until(lambda: playing.get_property("currentTime") > 0)
    page.browser.execute_script("arguments[0].pause(); arguments[0].currentTime = 1.5", playing)
    page.until(lambda: playing.get_property("currentTime") >= 1.5)
    page.see("Rain on the roof.")
    switch = page.find("button[aria-pressed='true']")
    assert switch.text == "Captions"
    switch.click()
    page.until(lambda: not page.all(".zz-caption"))
    switch.click()
    page.see("Rain on the roof.")


def test_an_area_answers_only_within_its_outline(page):
    fresh_slide(page, "Area")
    add(page, "Area")
    Select(page.find("select[aria-label='Shape']")).select_by_visible_text("Ellipse")
    page.press("Add a rule")
    Select(page.find("select[aria-label='Where to go']")).select_by_visible_text(
        "the previous slide")
    _rehearse(page)
    area = page.find("main button.zz-live")
    size = area.size
    corner = ActionChains(page.browser).move_to_element_with_offset(
        area, 3 - size["width"] // 2, 3 - size["height"] // 2)
    corner.click().perform()
    page.see("Slide 2 of 2")
    assert page.find("main").get_attribute("aria-label").startswith("Slide 2")
    ActionChains(page.browser).move_to_element(area).click().perform()
    page.see("Slide 1 of 2")


def test_pages_from_elsewhere_are_kept_apart_and_groups_read_as_one(page):
    fresh_slide(page, "Apart")
    add(page, "Web page")
    page.find("section[aria-label^='Says'] input").send_keys("https://huts.example/board")
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.ESCAPE)
    for word in ("Rectangle", "Ellipse"):
        add(page, word)
    page.press("Decoration, not read (2)")
    rows = [page.row("Rectangle"), page.row("Ellipse")]
    rows[0].click()
    ActionChains(page.browser).key_down(Keys.CONTROL).click(rows[1]).key_up(Keys.CONTROL).perform()
    page.press("Group (Ctrl G)")
    page.find("section[aria-label^='Says'] textarea").send_keys("A sun over a hut")
    _rehearse(page)
    frame = page.find("main iframe")
    assert "allow-same-origin" not in frame.get_attribute("sandbox")
    group = page.find("main [data-group]")
    assert group.get_attribute("role") == "img"
    assert group.get_attribute("aria-label") == "A sun over a hut"


def test_a_fork_leads_where_it_says_and_its_arms_meet_again(page):
    page.go("/courses/hut-warden-basics/build")
    page.click("[data-stop-button='7']")
    page.until(lambda: "A late guest" in page.find("[data-stage]").text)
    page.find("[data-stage]").send_keys("r")
    page.frames("iframe[title='The course']")
    assert not page.button("Slides").get_attribute("disabled")
    assert page.words("Next", "button").get_attribute("disabled")
    page.press("Send them on with a lamp")
    page.see("The path is iced over")
    page.press("Think again")
    page.press("Offer the bench by the stove")
    page.see("Soup is never wrong.")
    page.press("Next")
    page.see("The weather board")
    page.top()
    keys(page, Keys.ESCAPE)
