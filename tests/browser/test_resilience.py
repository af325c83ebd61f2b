"""What happens when things go wrong: servers, second windows, packages made elsewhere."""

import io
import zipfile
from functools import partial
from http.server import SimpleHTTPRequestHandler, ThreadingHTTPServer
from threading import Thread

from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys

from tests.core.test_package import manifest, zipped

from .driver import Page

ELSEWHERE = """<!doctype html><html lang="en"><title>Elsewhere</title><main>
<p id="said"></p><button onclick="finish()">Finish</button></main><script>
let w = window, api = null;
while (!(api = w.API) && w.parent !== w) w = w.parent;
const log = [api.LMSInitialize(""), api.LMSGetValue("cmi.core.student_name"),
  api.LMSGetValue("cmi.core.entry"), api.LMSGetValue("cmi.student_data.mastery_score"),
  api.LMSSetValue("cmi.core.lesson_status", "nonsense"), api.LMSGetLastError(),
  api.LMSSetValue("cmi.core.score.raw", "80"),
  api.LMSSetValue("cmi.core.lesson_status", "completed")];
document.getElementById("said").textContent = log.join(" | ");
function finish() { document.getElementById("said").textContent = "end " + api.LMSFinish(""); }
</script></html>"""


def _rename(page: Page, title: str) -> None:
    field = page.find("section[aria-label='This slide'] input")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(title)


def _new_course(page: Page, title: str) -> str:
    page.go("/")
    page.press("New course")
    page.find("input[aria-label='Title']").send_keys(title, Keys.ENTER)
    page.find("[data-stage]")
    return page.browser.current_url.split("/courses/")[1].split("/")[0]


def _close_window(page: Page) -> None:
    """Close the window without a word to its page, and go on in an empty one."""
    old = page.browser.current_window_handle
    page.browser.switch_to.new_window("tab")
    new = page.browser.current_window_handle
    page.browser.switch_to.window(old)
    page.browser.close()
    page.browser.switch_to.window(new)


def test_edits_made_while_the_server_is_gone_are_kept_and_sent(page, server):
    slug = _new_course(page, "Kept edits")
    server.stop()
    try:
        _rename(page, "Written in the dark")
        page.find("[data-saving=unsaved]")
        page.see("Not saved yet")
    finally:
        server.start()
    page.saved()
    page.go(f"/courses/{slug}/build")
    page.until(lambda: "Written in the dark" in page.find("[data-stop]").text)


def test_edits_survive_a_closed_window_while_the_server_is_gone(page, server):
    slug = _new_course(page, "Closed window")
    server.stop()
    try:
        _rename(page, "Closed before it was sent")
        page.find("[data-saving=unsaved]")
        _close_window(page)
    finally:
        server.start()
    page.go(f"/courses/{slug}/build")
    page.until(lambda: "Closed before it was sent" in page.find("[data-stop]").text)
    page.saved()


def test_unsent_settings_go_together_with_what_others_did_meanwhile(page, server):
    slug = _new_course(page, "Unsent settings")
    server.stop()
    try:
        title = page.find("input[aria-label='Title of the course']")
        title.send_keys(Keys.CONTROL, "a")
        title.send_keys("Renamed in the dark", Keys.ENTER)
        page.find("[data-saving=unsaved]")
        _close_window(page)
    finally:
        server.start()
    page.go(f"/courses/{slug}/build")
    page.until(lambda: page.find("input[aria-label='Title of the course']").get_attribute(
        "value") == "Renamed in the dark")
    page.saved()
    page.go("/")
    page.words("Renamed in the dark", "a")


def _type_in_first_text(page):
    """Begin to type into the first text of the slide, and stay in it."""
    page.row_at(0).click()
    page.find("[data-stage]").send_keys(Keys.ENTER)
    return page.find("[contenteditable=true]")


def test_two_windows_on_one_slide(page):
    slug = _new_course(page, "Two windows")
    first = page.browser.current_window_handle
    _type_in_first_text(page)
    page.browser.switch_to.new_window("tab")
    second = page.browser.current_window_handle
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")
    field = _type_in_first_text(page)
    field.send_keys("From the second window")
    page.saved()
    page.browser.switch_to.window(first)
    page.find("[contenteditable=true]").send_keys("First")
    page.see("Somebody else has changed the slide")
    page.press("Keep mine")
    page.saved()
    page.browser.switch_to.window(second)
    field.send_keys("Second")
    page.see("Somebody else has changed the slide")
    page.press("Keep theirs")
    page.until(lambda: "First" in page.find("[data-stage]").text)
    page.press("Version history")
    page.see("kept aside")


def test_two_windows_change_different_things_of_one_slide(page):
    slug = _new_course(page, "One slide")
    first = page.browser.current_window_handle
    field = _type_in_first_text(page)
    page.browser.switch_to.new_window("tab")
    second = page.browser.current_window_handle
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")
    _rename(page, "From the second window")
    page.saved()
    page.browser.switch_to.window(first)
    field.send_keys("First")
    page.saved()
    page.until(lambda: "From the second window" in page.find("nav[aria-label=Route]").text)
    page.browser.switch_to.window(second)
    page.until(lambda: "First" in page.find("[data-stage]").text)
    assert "From the second window" in page.find("nav[aria-label=Route]").text


def test_what_is_done_while_a_slow_answer_is_awaited_stays(page):
    """Group two elements, rename a third and go on to another slide before the core answers."""
    page.browser.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": """
        const send = window.fetch.bind(window);
        window.fetch = (request, ...more) => (
          String(request.url ?? request).includes("/api/edits/group")
            ? new Promise((resolve) => { window.letGo = () => resolve(send(request, ...more)); })
            : send(request, ...more));
    """})
    _new_course(page, "Slow answers")
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    page.stop(0)
    rows = page.until(lambda: len(page.all("[data-row]")) > 2 and page.all("[data-row]"))
    rows[0].click()
    ActionChains(page.browser).key_down(Keys.SHIFT).click(rows[1]).key_up(Keys.SHIFT).perform()
    ActionChains(page.browser).key_down(Keys.CONTROL).send_keys("g").key_up(Keys.CONTROL).perform()
    page.until(lambda: page.browser.execute_script("return Boolean(window.letGo)"))
    page.row_at(2).click()
    name = page.find("section[aria-label^='Says'] input")
    name.send_keys(Keys.CONTROL, "a")
    name.send_keys("Renamed meanwhile")
    assert len(page.all("[data-row]")) == len(rows), "the answer is not there yet"
    page.stop(1)
    page.browser.execute_script("window.letGo()")
    page.saved()
    page.stop(0)
    page.until(lambda: len(page.all("[data-row]")) == len(rows) + 1, "the group to be there")
    page.browser.refresh()
    page.until(lambda: len(page.all("[data-row]")) == len(rows) + 1, "the group to be there")
    names = page.browser.execute_script(
        "return [...document.querySelectorAll('[data-row]')].map((row) => row.textContent).join()")
    assert "Group" in names and "Renamed meanwhile" in names


def test_an_added_slide_is_taken_back_made_again_and_deleted(page):
    slug = _new_course(page, "Back and forth")

    def slides():
        return len(page.call("GET", f"/courses/{slug}")["course"]["slides"])

    def keys(*keys):
        chain = ActionChains(page.browser).key_down(Keys.CONTROL)
        chain.send_keys(*keys).key_up(Keys.CONTROL).perform()

    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    assert slides() == 2
    keys("z")
    page.until(lambda: len(page.all("[data-stop]")) == 1)
    page.saved()
    page.until(lambda: slides() == 1, "the slide to be off the course")
    keys("y")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    page.until(lambda: slides() == 2, "the slide to be there again")
    page.press("Add a slide")
    page.find("[data-stop-button='2']").send_keys(Keys.DELETE)
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    page.until(lambda: slides() == 2, "the slide that was just added to be gone")
    page.browser.refresh()
    page.until(lambda: len(page.all("[data-stop]")) == 2)


def test_two_windows_on_different_slides_go_together(page):
    slug = _new_course(page, "Side by side")
    first = page.browser.current_window_handle
    page.browser.switch_to.new_window("tab")
    second = page.browser.current_window_handle
    page.go(f"/courses/{slug}/build")
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    page.browser.switch_to.window(first)
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.click("[data-stop-button='0']")
    _rename(page, "Named in the first")
    page.saved()
    page.browser.switch_to.window(second)
    page.until(lambda: "Named in the first" in page.find("nav[aria-label=Route]").text)


def test_a_package_made_elsewhere_runs(page, tmp_path):
    file = tmp_path / "elsewhere.zip"
    files = {"imsmanifest.xml": manifest("a/start.html"), "a/start.html": ELSEWHERE}
    file.write_bytes(zipped(files))
    page.go("/practice")
    page.until(lambda: page.all("input[type=file]"))[0].send_keys(str(file))
    page.press("Launch as Tam O’Kellin")
    page.frames("iframe[title='The package']", "iframe")
    page.until(lambda: page.find("#said").text)
    assert page.find("#said").text == (
        "true | O’Kellin, Tam | ab-initio | 75 | false | 405 | true | true")
    page.press("Finish")
    page.until(lambda: page.find("#said").text == "end true")
    page.top()
    page.press("Leave")
    row = page.until(lambda: page.find("tr[data-learner='tam-okell']"))
    page.until(lambda: "passed" in row.text and "80" in row.text)
    page.see("error 405")


def test_a_bad_package_is_refused_in_words(page, tmp_path):
    file = tmp_path / "bad.zip"
    file.write_bytes(zipped({"index.html": b"x"}))
    page.go("/practice")
    page.until(lambda: page.all("input[type=file]"))[0].send_keys(str(file))
    page.see("The package has no imsmanifest.xml at its root. Nothing was put in.")


def test_a_web_package_runs_anywhere_and_resumes(page, server, tmp_path):
    server.manage("publish", "the-tool-library", "--as", "web", "--out", str(tmp_path / "w.zip"))
    with zipfile.ZipFile(io.BytesIO((tmp_path / "w.zip").read_bytes())) as archive:
        archive.extractall(tmp_path / "site")
    handler = partial(SimpleHTTPRequestHandler, directory=tmp_path / "site")
    handler.log_message = lambda *_: None
    site = ThreadingHTTPServer(("127.0.0.1", 0), handler)
    Thread(target=site.serve_forever, daemon=True).start()
    try:
        address = f"http://127.0.0.1:{site.server_port}/index.html"
        page.browser.get(address)
        page.press("How it works")
        page.words("Slide 2 of 6")
        page.browser.get(address)
        page.see("Welcome back")
        page.press("Resume")
        page.words("Slide 2 of 6")
        _two_tabs(page, address)
    finally:
        site.shutdown()
    page.browser.get((tmp_path / "site" / "index.html").as_uri())
    page.press("How it works")
    page.words("Slide 2 of 6")


def _two_tabs(page, address):
    """The newer tab keeps the progress; the older one says so and can take it back."""
    older = page.browser.current_window_handle
    page.browser.switch_to.new_window("tab")
    page.browser.get(address)
    page.press("Resume")
    page.press("Next")
    page.words("Slide 3 of 6")
    newer = page.browser.current_window_handle
    page.browser.switch_to.window(older)
    page.see("This course is open in another tab")
    page.press("Back")
    page.words("Slide 1 of 6")
    page.press("Go on here")
    page.press("Resume")
    page.words("Slide 3 of 6")
    page.browser.switch_to.window(newer)
    page.see("This course is open in another tab")
    page.browser.close()
    page.browser.switch_to.window(older)


def test_killed_and_resumed_in_the_practice_lms(page):
    page.go("/courses/the-tool-library/publish")
    page.press("Publish as SCORM 1.2")
    page.press("Try it in the practice LMS")
    page.find("tr[data-learner]")
    results = page.browser.current_url
    page.press("Launch as Yuki Adairo")
    frames = ("iframe[title='The package']", "iframe")
    page.frames(*frames)
    page.press("Next")
    page.words("Slide 2 of 6")
    page.top()
    page.see("The place in the course is")
    # Killed: the window goes without a word to the page.
    launch = page.browser.current_url
    _close_window(page)
    page.browser.get(launch)
    page.frames(*frames)
    page.see("You were at “Three rules”")
    page.press("Resume")
    page.words("Slide 2 of 6")
    page.top()
    page.browser.get(results)
    page.until(lambda: "not finished yet" in page.find("tr[data-learner='yuki-adair']").text)


def test_slides_added_in_two_windows_go_together(page):
    slug = _new_course(page, "Both add")
    first = page.browser.current_window_handle
    page.browser.switch_to.new_window("tab")
    page.go(f"/courses/{slug}/build")
    page.find("[data-stage]")
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    _rename(page, "From the second window")
    page.saved()
    page.browser.switch_to.window(first)
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 3)
    page.saved()
    page.browser.refresh()
    page.until(lambda: len(page.all("[data-stop]")) == 3)
    assert "From the second window" in page.find("nav[aria-label=Route]").text


def test_what_cannot_be_fetched_is_said_and_the_work_goes_on(page):
    """Menus, pages and the text editor are fetched when they are wanted; the line may be down."""
    _new_course(page, "Without a line")
    page.press("Add a slide")
    page.until(lambda: len(page.all("[data-stop]")) == 2)
    page.saved()
    page.browser.execute_cdp_cmd("Network.enable", {})
    page.browser.execute_cdp_cmd("Network.setBlockedURLs", {"urls": [
        "*ActionMenu*", "*EditInPlace*", "*Plan-*", "*Plan.*"]})
    page.browser.execute_cdp_cmd("Network.setCacheDisabled", {"cacheDisabled": True})
    page.browser.refresh()
    page.find("[data-stage]")
    page.click("header button[aria-haspopup=menu]")
    page.see("This part could not be loaded.")
    handle = page.find("[data-handle]")
    handle.click()
    ActionChains(page.browser).double_click(handle).perform()
    page.until(lambda: page.find("body").text.count("This part could not be loaded.") == 2)
    page.find("[data-stage]")
    page.press("Plan")
    page.see("This page could not be shown")
    # The line is there again: the other modes are as they were, and so is what failed.
    page.browser.execute_cdp_cmd("Network.setBlockedURLs", {"urls": []})
    page.press("Build")
    page.find("[data-stage]")
    page.click("header button[aria-haspopup=menu]")
    page.button("Your account")
    page.browser.switch_to.active_element.send_keys(Keys.ESCAPE)
    page.until(lambda: ActionChains(page.browser).double_click(
        page.find("[data-handle]")).perform() or page.find("[contenteditable=true]"))
    page.browser.switch_to.active_element.send_keys("Written all the same")
    page.saved()
    page.browser.execute_cdp_cmd("Network.setCacheDisabled", {"cacheDisabled": False})
