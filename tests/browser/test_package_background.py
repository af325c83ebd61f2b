"""The sound in the background: set in Build, and in a real package on from slide to slide."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from zigzag_core.course import Audio
from zigzag_core.course.document import Section
from zigzag_core.course.sounds import BackgroundSound

from tests.core.making import course, slide
from tests.core.test_media import sound

from .packages import again, goes_on, imported, launch
from .test_package_media import media_file


def _volume(page):
    """How loud the sound in the background is, 0 to 100; 0 where it does not play."""
    return page.browser.execute_script("""
        const sound = document.querySelector("audio[data-background]");
        return sound && !sound.paused ? Math.round(sound.volume * 100) : 0;""")


def test_it_goes_on_over_slides_under_what_is_said_and_can_be_switched_off(page, server):
    wind, words = (sound("wav", seconds=seconds) for seconds in (2, 3))
    files = media_file("windfile", wind), media_file("wordfile", words)
    said = Audio(id="said", name="Said", media="wordfile", fade_in=400, x=80, y=80, w=400, h=60)
    document = course(
        slide("slidea"), slide("slideb", said), slide("slidec"), slide("slided"), media=files,
        sound=BackgroundSound(media="windfile", volume=0.4, lowered=0.25),
        sections=(Section(id="quiet", title="Quiet", before="slidec", silent=True),
                  Section(id="after", title="After", before="slided")))
    media = dict(zip((file.sha256 for file in files), (wind, words), strict=True))
    launch(page, server, document, media)
    page.find("main.zz-view")
    page.until(lambda: _volume(page) == 40, "the wind to be heard")
    goes_on(page)
    page.browser.execute_script("document.querySelector('main audio').play()")
    page.until(lambda: _volume(page) == 10, "the wind to be lowered")
    page.until(lambda: page.find("main audio").get_property("ended"))
    page.until(lambda: _volume(page) == 40, "the wind to come back")
    goes_on(page)
    page.until(lambda: _volume(page) == 0, "the silence of the section")
    goes_on(page)
    page.until(lambda: _volume(page) == 40)
    page.click("[aria-label='Background sound']")
    page.until(lambda: _volume(page) == 0, "the wind to be off")
    again(page)
    off = page.find("[aria-label='Background sound']")
    assert off.get_attribute("aria-pressed") == "false"
    assert _volume(page) == 0
    off.click()
    page.until(lambda: _volume(page) == 40)


def test_an_author_sets_one_for_the_course_and_another_for_a_section(page, server, tmp_path):
    slug = imported(server, course(slide("slidea"), slide("slideb"), sections=(
        Section(id="outside", title="Outside", before="slideb"),)))
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")
    page.click("[data-stop-button='1']")
    page.open("Background sound")
    options = [option.text for option in Select(page.find("[aria-label='In Outside']")).options]
    assert options == ["As in the course", "No background sound"], "there is no file yet"
    for name, seconds in (("Wind.wav", 1), ("Rain.wav", 2)):
        path = tmp_path / name
        path.write_bytes(sound("wav", seconds=seconds))
        page.find("input[type=file][aria-label='Audio file']").send_keys(str(path))
        page.until(lambda name=name: page.all(f"button[title='{name}'][aria-pressed='true']"))
    page.saved()

    def kept():
        return page.call("GET", f"/courses/{slug}")["course"]

    files = {file["id"]: file["name"] for file in kept()["media"]}
    assert files[kept()["sound"]["media"]] == "Rain.wav"
    Select(page.find("[aria-label='In Outside']")).select_by_visible_text("Sound of its own")
    page.until(lambda: len(page.all("button[title='Wind.wav']")) == 2)
    page.all("button[title='Wind.wav']")[1].click()
    page.until(lambda: page.all("button[title='Wind.wav']")[1].get_attribute("aria-pressed")
               == "true")
    page.saved()
    assert files[kept()["sections"][0]["sound"]["media"]] == "Wind.wav"
    Select(page.find("[aria-label='In Outside']")).select_by_visible_text("No background sound")
    page.saved()
    section = kept()["sections"][0]
    assert section["silent"] and section["sound"] is None
    page.find("[data-stage]").click()
    page.find("[data-stage]").send_keys(Keys.CONTROL, "z")
    page.until(lambda: kept()["sections"][0]["sound"])
