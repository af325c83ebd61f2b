"""What is built runs: inputs, meters, films, areas, groups and forks, as learners meet them."""

from selenium.webdriver.common.keys import Keys

from tests.core.test_media import film

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
    page.press("Equal gaps down")
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


def test_a_film_plays_and_an_area_answers_only_within_its_outline(page, tmp_path):
    fresh_slide(page, "Film and area")
    (tmp_path / "night.webm").write_bytes(film("webm", "libvpx-vp9"))
    page.find("[data-stage]").send_keys("/")
    page.find("input[aria-label='File to add']").send_keys(str(tmp_path / "night.webm"))
    page.find("[data-stage] .zz-film")
    page.saved()
    _rehearse(page)
    video = page.find("main video")
    page.until(lambda: video.get_property("readyState") >= 1)
    page.browser.execute_script("arguments[0].muted = true; arguments[0].play()", video)
    page.until(lambda: video.get_property("currentTime") > 0)
    page.browser.execute_script("arguments[0].currentTime = 1.5", video)
    page.until(lambda: video.get_property("currentTime") >= 1.5)


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
