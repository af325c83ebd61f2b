"""Captions written beside a film: by keyboard, timed by where it stands, read by learners."""

from selenium.webdriver.common.keys import Keys
from zigzag_core.course import Caption

from tests.core.test_media import video

from .packages import imported, inside, put_in_course
from .test_access import violations
from .test_cuts import _course


def _texts(page):
    return [one.get_property("value") for one in page.all("[data-captions] textarea")]


def _stands(page, seconds):
    page.until(lambda: page.browser.execute_script("""
        const film = document.querySelector("[data-captions] video");
        if (film.readyState < 1) return false;
        if (film.currentTime !== arguments[0]) film.currentTime = arguments[0];
        return film.currentTime === arguments[0] && !film.seeking;""", seconds))


def _focused(page):
    return page.browser.execute_script("return document.activeElement.getAttribute('aria-label')")


def test_captions_are_written_split_timed_and_shown(page, server):
    document, kept = _course(video(frames=90, rate=10), pieces=())
    slug = imported(server, document, kept)

    def stored():
        page.saved()
        [file] = page.call("GET", f"/courses/{slug}")["course"]["media"]
        return [(one["since"], one["until"], one["text"]) for one in file["captions"]]

    page.go(f"/courses/{slug}/build")
    page.row("Round").click()
    page.press("Write captions")
    _stands(page, 1)
    page.press("Add a caption here")
    # The words of the new one are marked, to be written over.
    page.until(lambda: _focused(page) == "Caption 1")
    page.browser.switch_to.active_element.send_keys("Shut the damper and wait a while.")
    field = page.find("textarea[aria-label='Caption 1']")
    field.send_keys(Keys.HOME, *[Keys.ARROW_RIGHT] * 15)
    field.send_keys(Keys.CONTROL, Keys.ENTER)
    page.until(lambda: _texts(page) == ["Shut the damper", "and wait a while."])
    page.until(lambda: _focused(page) == "Caption 2")
    # A time is typed; the next caption begins where the film stands.
    begin = page.find("input[aria-label='Begin of caption 1']")
    begin.send_keys(Keys.CONTROL, "a")
    begin.send_keys("0:00,5", Keys.ENTER)
    _stands(page, 2.5)
    page.all("button[aria-label='Ends where it stands']")[1].click()
    page.until(lambda: len(stored()) == 2 and stored()[1][1] == 2_500)
    assert stored()[0][0] == 500
    # Too much for its time is told at once.
    second = page.find("textarea[aria-label='Caption 2']")
    second.send_keys(Keys.END, " Then close the door of the hut, all of it.")
    page.see("Goes too fast to be read")
    assert violations(page) == []
    second.send_keys(Keys.CONTROL, "a")
    second.send_keys("and wait.", Keys.ENTER)
    page.until(lambda: [text for _, _, text in stored()] == ["Shut the damper", "and wait."])
    page.press("Shift")
    page.until(lambda: stored()[0][0] == 1_000 and stored()[1][1] == 3_000)
    _stands(page, 1.2)
    page.until(lambda: page.find("[data-now]").text == "Shut the damper")
    page.all("button[aria-label='Join with the next']")[0].click()
    page.until(lambda: _texts(page) == ["Shut the damper and wait."])
    page.press("Done")
    page.gone("[data-captions]")
    page.see("1 caption")
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.see("2 captions")
    stored()
    put_in_course(page, slug)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.find("main .zz-controls button")
    # What was shown is noted by the page: a slow machine may look too late.
    page.browser.execute_script("""
        window.shown = [];
        new MutationObserver(() => {
          const words = document.querySelector(".zz-caption")?.textContent;
          if (words && words !== window.shown.at(-1)) window.shown.push(words);
        }).observe(document.body, {subtree: true, childList: true, characterData: true});""")
    page.find("main .zz-controls button").send_keys(Keys.ENTER)
    page.until(lambda: page.browser.execute_script("return window.shown") == [
        "Shut the damper", "and wait."])


def test_one_caption_is_heard_and_then_another_one(page, server):
    said = tuple(Caption(since=since, until=since + 700, text=f"At {since}")
                 for since in (500, 4_000))
    document, kept = _course(video(frames=90, rate=10), pieces=())
    [file] = document.course.media
    document = document.model_copy(update={"course": document.course.model_copy(
        update={"media": (file.model_copy(update={"captions": said}),)})})
    page.go(f"/courses/{imported(server, document, kept)}/build")
    page.row("Round").click()
    page.press("Edit captions")
    _stands(page, 0.1)

    def film(what):
        return page.find("[data-captions] video").get_property(what)

    page.click("button[aria-label='Play caption 1']")
    page.until(lambda: not film("paused"))
    # The other one is asked for while the first is heard: it is heard to its end.
    page.click("button[aria-label='Play caption 2']")
    page.until(lambda: film("paused") and film("currentTime") >= 4.7)
    assert film("currentTime") < 5.7
    page.find("textarea[aria-label='Caption 1']").send_keys(Keys.CONTROL, " ")
    page.until(lambda: not film("paused") and film("currentTime") > 6)
