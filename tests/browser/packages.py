"""Real packages in the practice LMS, run by a made-up learner."""

from zigzag_core.course import CourseDocument

from tests.core.packing import archived
from tests.core.test_questions import Taking

from ..running import Author


def imported(server, document: CourseDocument, media=None) -> str:
    """Import `document` with its files; return the slug that the course gets."""
    archive = archived(document, media or {})
    return str(Author(server).upload("/courses/import", "course.zigzag", archive)["course"])


def switch_room(server, manner: str) -> None:
    """Let the simulated post room answer in another manner."""
    Author(server).ask("PUT", "/post-room", {"manner": manner})


def put_in(page, server, document: CourseDocument, media=None, kind="scorm12") -> None:
    """Publish `document`, put the package into the practice LMS, and go to its page there."""
    page.go("/")
    put_in_course(page, imported(server, document, media), kind)


def put_in_course(page, slug: str, kind="scorm12") -> None:
    """Publish a course, put the package into the practice LMS, and go to its page there."""
    published = page.job(f"/courses/{slug}/packages", {"kind": kind})
    taken = page.job("/practice/packages/from-publication", {"publication": published["package"]})
    page.go(f"/practice/{taken['practice_package']}")


def launch(page, server, document: CourseDocument, media=None, kind="scorm12") -> None:
    """Publish `document`, put the package into the practice LMS, and go into its frame."""
    put_in(page, server, document, media, kind)
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)


def inside(page) -> None:
    """Go into the frame of the package that runs."""
    page.frames("iframe[title='The package']", "iframe")


def again(page):
    """Leave by the LMS, and go in again as the same learner."""
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")


def title(page) -> str:
    """The title of the slide that the learner is at."""
    return page.find("main.zz-view").get_attribute("aria-label").split(": ", 1)[1]


def goes_on(page) -> None:
    """Go to the next slide, and wait for it."""
    before = title(page)
    page.press("Next")
    page.until(lambda: title(page) != before)


def finishes(page, slides: int) -> None:
    """Go on over so many slides, and finish the quiz though questions are open."""
    for _ in range(slides):
        goes_on(page)
    page.press("Next")
    page.see("Go on once more to finish the quiz.")
    page.press("Next")


def pass_time(page, seconds) -> None:
    """Let time pass on the page's own clock."""
    page.browser.execute_script(
        "const now = performance.now.bind(performance), more = arguments[0] * 1000;"
        "performance.now = () => now() + more;", seconds)


def note_sounds(page) -> None:
    """Keep what is played in the frame from now on in its `heard`."""
    page.browser.execute_script(
        "window.heard = []; const play = HTMLMediaElement.prototype.play;"
        "HTMLMediaElement.prototype.play = function () {"
        "  heard.push(this); return play.call(this); };")


def element_of(taker: Taking, part: str) -> str:
    """Return the element that is the `part` of the question that `taker` is at."""
    return next(e.draw.id for e in taker.slide.elements if e.part == part)
