"""The quiz of *Hut Warden Basics*: left, failed, repeated with what was wrong, passed, reported."""

from selenium.webdriver.common.keys import Keys
from zigzag_core.course.text.numbers import in_digits
from zigzag_core.course.text.spoken import all_spoken

from tests.demo_courses import hut_warden_basics

from .packages import inside, put_in, switch_room, title
from .test_access import violations
from .test_questions import _keys, _labelled


def _to(page, name: str) -> None:
    """Go to a slide by the menu."""
    page.press("Slides")
    page.until(lambda: page.all(".zz-menu"))
    item = next(b for b in page.all(".zz-menu button") if name in b.text)
    page.browser.execute_script("arguments[0].click()", item)
    page.until(lambda: title(page) == name)


def _watch_the_round(page) -> None:
    """Go to the film, and on from there: only once it was really watched."""
    _to(page, "Night round")
    page.press("Next")
    page.see("Walk around with Edda first")
    page.browser.execute_script("""
        const film = document.querySelector("main video");
        film.muted = true;
        film.playbackRate = 8;
        void film.play();""")
    page.until(lambda: page.find("main video").get_property("ended"), patience=60)
    page.press("Next")
    page.until(lambda: title(page) != "Night round")


def _answer(page, slide) -> None:
    """Answer by keyboard, and so that it is right."""
    [question] = slide.questions
    words = all_spoken(slide.elements)
    match question.kind:
        case "single_choice" | "multiple_response" | "true_false":
            for choice in question.choices:
                if choice.right:
                    _keys(page, _labelled(page, words[choice.element]), Keys.SPACE)
        case "numeric":
            _keys(page, page.find("main .zz-field input"),
                  in_digits(question.accepts.near[0].value))
        case "short_text":
            _keys(page, page.find("main .zz-field input"), question.accepts.words[0])
        case "blanks":
            for n, blank in enumerate(question.blanks, 1):
                _keys(page, page.find(f"main input[aria-label='Blank {n}']"),
                      blank.accepts.words[0])
        case "matching":
            partners = {target.id: words[target.element] for target in question.targets}
            for item in question.items:
                _keys(page, _labelled(page, words[item.element]), Keys.ENTER)
                _keys(page, _labelled(
                    page, f"Put {words[item.element]} on {partners[item.to[0]]}"), Keys.ENTER)
        case "ordering":
            for place, step in enumerate(question.items, 1):
                for _ in question.items:
                    thing = _labelled(page, f"{words[step.element]}, place")
                    if f"place {place} of" in thing.get_attribute("aria-label"):
                        break
                    _keys(page, thing, Keys.ARROW_UP)
        case "open_answer":
            _keys(page, page.find("main textarea"), "Greet first.")


def test_the_quiz_is_left_failed_repeated_passed_and_reported(page, server):
    document, media = hut_warden_basics()
    by_id = {slide.id: slide for slide in document.slides}
    put_in(page, server, document, media)
    switch_room(server, "down")
    try:
        page.click("a[aria-label='Launch as Ines Tarrow']")
        inside(page)
        page.find("main.zz-view")
        _watch_the_round(page)
        _to(page, "Your details")
        # The LMS knows the name; the agreement is asked for.
        assert page.find("main input").get_attribute("value") == "Ines Tarrow"
        page.press("Next")
        page.see("Please fill in: My result may be sent to the hut office.")
        _keys(page, page.find("main input[type=checkbox]"), Keys.SPACE)
        page.press("Next")
        page.until(lambda: title(page) != "Your details")
        assert violations(page) == []
        drawn = _walk(page, by_id)
        assert sum(bool(by_id[slide].questions) for slide in drawn) == 12 + 1
        # The call comes before its three questions, and these follow it at once.
        call = next(n for n, slide in enumerate(drawn) if by_id[slide].title == "A call comes in")
        assert all(by_id[slide].questions for slide in drawn[call + 1:call + 4])
        # Left before the end, the quiz goes on where it was.
        page.top()
        page.press("Leave")
        page.click("a[aria-label='Launch as Ines Tarrow']")
        inside(page)
        page.press("Resume")
        page.until(lambda: title(page) == "One sentence to a new warden")
        page.press("Next")
        page.see("Questions without an answer: 13")
        page.press("Next")
        page.until(lambda: title(page) == "Your result")
        page.see("Walk through the rooms once more")
        assert violations(page) == []
        page.see("is not sent yet")
        # The band leads back into the course; from there the result is found again.
        page.press("Back to the hut map")
        page.until(lambda: title(page) == "Hut map")
        _to(page, "Your result")
        page.press("Try again")
        page.until(lambda: title(page) != "Your result")
        for slide in _walk(page, by_id, answer=True):
            assert slide in drawn, "only what was not right comes again"
        page.press("Next")
        page.until(lambda: title(page) == "Your result")
        page.see("Nothing left to ask.")
        switch_room(server, "up")
        page.see("was sent")
        page.press("Your certificate")
        page.until(lambda: title(page) == "Certificate")
        page.see("has passed “Before you get the keys” with 100 %")
        assert "Ines Tarrow" in page.find("main").text and violations(page) == []
    finally:
        switch_room(server, "up")
    page.top()
    slug = page.call("GET", "/courses?start=0&most=1")[0]["slug"]
    reports = page.until(lambda: _reports(page, slug, 2))
    fields = sorted((dict(report["fields"]) for report in reports), key=lambda f: f["Attempt"])
    assert [field["Result"] for field in fields] == ["failed", "passed"]
    assert [field["Per cent"] for field in fields] == ["0", "100"]
    assert {field["Name"] for field in fields} == {"Ines Tarrow"}


def _walk(page, by_id, answer: bool = False) -> list[str]:
    """Go through the quiz to its last question; return the slides that came."""
    came = [page.find("main.zz-view").get_attribute("data-slide")]
    while True:
        slide = by_id[came[-1]]
        if answer and slide.questions:
            _answer(page, slide)
            page.press("Send" if slide.questions[0].kind == "open_answer" else "Submit")
            page.press("Continue")
        if slide.title == "One sentence to a new warden":
            return came
        page.press("Next")
        page.until(lambda: page.find("main.zz-view").get_attribute("data-slide") != came[-1])
        came.append(page.find("main.zz-view").get_attribute("data-slide"))


def _reports(page, slug: str, count: int) -> list:
    found = page.call("GET", f"/courses/{slug}/reports")["reports"]
    return found if len(found) >= count else []
