"""Details first and reports, in real packages: the form, the post room down and up, twice never."""

import pytest
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select
from zigzag_core.course.posts import USUAL_FIELDS, Post, PostField

from tests.core.quiz_course import keys_course
from tests.core.test_quiz_details import ASKED, detailed
from tests.core.test_quiz_taking import taken_course

from .driver import fit_window
from .packages import finishes, goes_on, imported, inside, launch, put_in, switch_room, title
from .test_access import violations

ON = "trainer@huts.example"


@pytest.fixture
def room(page, server):
    """Switches the post room; it is up again after the test."""
    switch_room(server, "up")
    yield lambda manner: switch_room(server, manner)
    switch_room(server, "up")


def _posting(document, post, **settings):
    sections = tuple(
        one.model_copy(update={"quiz": one.quiz.model_copy(update={"post": post, **settings})})
        if one.quiz else one for one in document.course.sections)
    return document.model_copy(update={
        "course": document.course.model_copy(update={"sections": sections})})


def _finish(page) -> None:
    """From the opening slide to the result, without an answer."""
    finishes(page, 4)
    page.until(lambda: title(page) == "Your result")


def _course(page) -> str:
    """The course that was made last."""
    return page.call("GET", "/courses?start=0&most=1")[0]["slug"]


def _reports(page, slug):
    return page.call("GET", f"/courses/{slug}/reports")["reports"]


def _letters(page):
    return page.call("GET", "/post-room")["letters"]


def _field(page, label: str):
    """The input under a label on the slide."""
    return next(
        one for one in page.all("main input, main select")
        if page.browser.execute_script(
            "return arguments[0].labels[0]?.textContent", one) == label)


def _kept(page) -> str:
    """What of reports this browser keeps of the course, as text."""
    return page.browser.execute_script(
        "return Object.entries(localStorage).filter(([key]) => key.endsWith(':post'))"
        ".map(([, text]) => text).join()")


def test_details_are_asked_once_checked_as_typed_and_reach_the_report(
    page, server, room
):
    document, _ = detailed(attempts=2, again="same")
    names = {variable.name: variable.id for variable in document.course.variables}
    post = Post(mail=ON, copy_to=names["Mail"], fields=(
        *USUAL_FIELDS[1:], *(PostField(name=name, of=key) for name, key in names.items())))
    launch(page, server, _posting(document, post))
    goes_on(page)
    assert title(page) == "Your details" and violations(page) == []
    name = _field(page, "Name *")
    assert name.get_attribute("value") == "Ines Tarrow", "the LMS knows the name"
    assert name.get_attribute("autocomplete") == "name"
    page.press("Next")
    page.see("Please fill in: Hut, Season, First day, I agree.")
    mail = _field(page, "Mail")
    mail.send_keys("ines@huts")
    page.see("This is no mail address yet.")
    assert mail.get_attribute("aria-invalid") == "true"
    mail.send_keys(".example")
    page.until(lambda: not mail.get_attribute("aria-invalid"))
    _field(page, "Hut *").send_keys("Scree", Keys.TAB)
    Select(_field(page, "Season *")).select_by_visible_text("Winter")
    page.browser.execute_script(
        "const field = arguments[0];"
        "Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')"
        ".set.call(field, '2030-12-31');"
        "field.dispatchEvent(new Event('input', {bubbles: true}));"
        "field.dispatchEvent(new Event('change', {bubbles: true}));", _field(page, "First day *"))
    agreed = _field(page, "I agree *")
    agreed.send_keys(" ")
    page.until(agreed.is_selected)
    assert violations(page) == []
    # Leaving and coming back keeps what was filled in.
    page.top()
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: _field(page, "Hut *").get_attribute("value") == "Scree")
    _finish(page)
    page.see("Your result of “Keys” was sent.")
    page.press("Again")
    page.until(lambda: title(page) not in ("Your result", "Your details"))
    page.top()
    slug = _course(page)
    fields = dict(_reports(page, slug)[0]["fields"])
    assert (fields["Name"], fields["Hut"], fields["Season"], fields["First day"]) == (
        "Ines Tarrow", "Scree", "Winter", "2030-12-31")
    assert (fields["I agree"], fields["Ridge"], fields["Result"]) == ("yes", "Larkspur", "failed")
    page.until(lambda: {"ines@huts.example", ON} <= {one["to"] for one in _letters(page)})


def test_a_report_waits_while_the_post_room_is_down_and_comes_once(page, server, room):
    room("down")
    launch(page, server, _posting(taken_course(), Post(mail=ON)))
    _finish(page)
    page.see("Your result of “Keys” is not sent yet. It is kept in this browser")
    # The sample's own slide has no heading.
    assert not [one for one in violations(page) if "heading" not in one]
    page.top()
    slug = _course(page)
    assert _reports(page, slug) == []
    # The learner leaves, and comes back on another day: it still waits, and goes by itself.
    page.press("Leave")
    room("up")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.see("Your result of “Keys” was sent.")
    page.press("Understood")
    page.until(lambda: "was sent" not in page.find("body").text)
    page.top()
    assert len(_reports(page, slug)) == 1
    page.press("Leave")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.until(lambda: title(page) == "Your result")
    assert "was sent" not in page.find("body").text and '"letters":[]' in _kept(page)
    page.top()
    assert len(_reports(page, slug)) == 1
    page.until(lambda: [one["to"] for one in _letters(page)].count(ON) >= 1)


def test_what_another_machine_could_not_send_is_sent_from_this_one(page, server, room):
    room("down")
    launch(page, server, _posting(taken_course(), Post()))
    _finish(page)
    page.see("is not sent yet")
    page.top()
    slug = _course(page)
    # What this browser keeps goes with the page.
    inside(page)
    page.browser.execute_script("addEventListener('pagehide', () => localStorage.clear())")
    page.top()
    page.press("Leave")
    page.find("a[aria-label='Launch as Ines Tarrow']")
    room("up")
    page.click("a[aria-label='Launch as Ines Tarrow']")
    inside(page)
    page.press("Resume")
    page.see("Your result of “Keys” was sent.")
    page.top()
    assert len(_reports(page, slug)) == 1


def test_a_refused_report_is_said_kept_and_sent_when_it_is_asked_for(page, server, room):
    room("refuses")
    launch(page, server, _posting(taken_course(), Post()))
    _finish(page)
    page.see("Your result of “Keys” was not accepted.")
    room("slow")
    page.press("Send again")
    page.see("Your result of “Keys” was sent.")
    page.top()
    assert len(_reports(page, _course(page))) == 1


def _tries(page) -> int:
    """How often the first report that waits was tried."""
    return int(_kept(page).partition('"tries":')[2].partition(",")[0] or 0)


def test_retries_follow_the_clock_by_themselves(page, server, room):
    room("down")
    launch(page, server, _posting(taken_course(), Post()))
    _finish(page)
    page.see("is not sent yet")
    page.until(lambda: _tries(page) >= 2, "it is not tried again")
    room("up")
    page.see("Your result of “Keys” was sent.")


def test_where_nothing_can_be_stored_a_report_waits_as_long_as_the_page_does(
    page, server, room
):
    room("down")
    launch(page, server, _posting(taken_course(), Post()))
    page.browser.execute_script(
        "const set = Storage.prototype.setItem; Storage.prototype.setItem = function (key, text) {"
        " if (key.endsWith(':post')) throw new DOMException('full', 'QuotaExceededError');"
        " set.call(this, key, text); };")
    _finish(page)
    page.see("is not sent yet")
    # Of an earlier course there may be an empty list.
    assert '"tries"' not in _kept(page)
    room("up")
    page.see("Your result of “Keys” was sent.")


def test_the_strangest_words_arrive(page, server, room):
    document, _ = detailed(ASKED[2:3])
    hut = next(v.id for v in document.course.variables if v.name == "Hut")
    launch(page, server, _posting(
        document, Post(fields=(PostField(name="__proto__", of=hut),))))
    goes_on(page)
    strange = r'=1+1","\u202e\u{1F3D4}\ud800</script>\u0000'
    page.browser.execute_script(
        "const field = arguments[0];"
        "Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')"
        f".set.call(field, `{strange}`);"
        "field.dispatchEvent(new Event('input', {bubbles: true}));", _field(page, "Hut *"))
    _field(page, "Hut *").send_keys(Keys.TAB)
    _finish(page)
    page.see("Your result of “Keys” was sent.")
    page.top()
    [[name, text]] = _reports(page, _course(page))[0]["fields"]
    assert name == "__proto__" and text.startswith('=1+1","\u202e\U0001F3D4')
    assert text.count("\ufffd") >= 1 and "</script>" in text


def test_the_review_opens_when_the_report_has_arrived(page, server, room):
    room("down")
    launch(page, server, _posting(taken_course(), Post(), review_sent=True))
    _finish(page)
    page.see("is not sent yet")
    before = title(page)
    assert not page.words("Back", "button").is_enabled() or _back_leads_nowhere(page, before)
    room("up")
    page.see("was sent")
    page.press("Back")
    page.until(lambda: title(page) != before, "the review does not open")


def _back_leads_nowhere(page, before: str) -> bool:
    """Whether *Back* passes over the questions, to what comes before the quiz."""
    page.press("Back")
    page.until(lambda: title(page) != before)
    passed_over = not page.all("main input[type=radio]")
    page.press("Next")
    page.until(lambda: title(page) == before)
    return passed_over


@pytest.mark.parametrize("form", ["json", "form", "csv"])
def test_a_web_address_gets_the_fields_in_its_form(page, server, form):
    """The practice page stands in for the author's own server: what is posted is caught there."""
    post = Post(listed=False, web=f"{server.address.replace('localhost', '127.0.0.1')}/own",
                form=form, fields=(PostField(name="Who", of="learner_name"),
                                   PostField(name="Points", of="quiz_points")))
    launch(page, server, _posting(taken_course(), post))
    page.browser.execute_script(
        "window.caught = []; const other = window.fetch;"
        "window.fetch = (to, more) => to.endsWith('/own') ? (window.caught.push("
        "[more.headers['Content-Type'], more.body, more.credentials]),"
        " Promise.resolve(new Response('', {status: 200}))) : other(to, more);")
    _finish(page)
    page.see("Your result of “Keys” was sent.")
    type_, body, credentials = page.browser.execute_script("return window.caught[0]")
    assert credentials == "omit"
    expected = {"json": '"fields":{"Who":"Ines Tarrow","Points":"0"}',
                "form": "Who=Ines+Tarrow&Points=0&answers=", "csv": "Ines Tarrow,0\r\n"}
    assert expected[form] in body and {"json": "json", "form": "urlencoded", "csv": "csv"}[form] \
        in type_


def test_post_and_details_are_set_by_hand_and_reports_read_in_a_table(
    page, server, room
):
    slug = imported(server, keys_course())
    page.go(f"/courses/{slug}/reports")
    page.see("No reports yet")
    assert violations(page) == []
    page.go(f"/courses/{slug}/plan")
    page.click("[aria-label^='Quiz “Before']")
    page.click("[role=tab][data-value=taken]")
    page.press("Ask for details")
    page.press("Add a field")
    labels = page.all("input[aria-label='Label']")
    labels[2].send_keys(Keys.CONTROL, "a")
    labels[2].send_keys("Season")
    Select(page.all("select[aria-label=Type]")[2]).select_by_visible_text("Choice from a list")
    page.see("A choice needs options.")
    page.find("input[aria-label=Options]").send_keys("Summer, Winter, Winter")
    page.until(lambda: "A choice needs" not in page.find("body").text)
    assert violations(page) == []
    page.press("Make the slide")
    page.see("Your details · Name, Mail address, Season")
    page.click("[role=tab][data-value=results]")
    page.words("Send a report when an attempt is finished").click()
    mail = page.find("input[aria-label='Mail to']")
    mail.send_keys("trainer@")
    mail.send_keys(Keys.TAB)
    page.see("This is no mail address; it is not saved.")
    mail.send_keys("huts.example", Keys.TAB)
    # The name that is asked for is in the report already.
    for name in ("Mail address", "Season"):
        page.press("Add a field")
        page.find(f"[role=group][aria-label='{name}']")
    page.click("[role=group][aria-label=Season] [aria-label=Earlier]")
    page.find("[data-numbers=new]")
    assert violations(page) == []
    page.saved()
    quiz = page.call("GET", f"/courses/{slug}")["course"]["sections"][0]["quiz"]
    assert quiz["post"]["mail"] == ON
    assert [field["name"] for field in quiz["post"]["fields"]][-2:] == ["Season", "Mail address"]
    assert len(quiz["details"]) >= 4
    page.browser.execute_script("document.activeElement.blur()")
    page.find("body").send_keys(Keys.CONTROL, "z")
    page.saved()
    undone = page.call("GET", f"/courses/{slug}")["course"]["sections"][0]["quiz"]
    assert [field["name"] for field in undone["post"]["fields"]][-2:] == ["Mail address", "Season"]


def test_the_table_of_reports_and_the_post_room_are_read_filtered_and_emptied(
    page, server, room
):
    launch(page, server, _posting(taken_course(), Post(mail=ON)))
    _finish(page)
    page.see("Your result of “Keys” was sent.")
    page.top()
    slug = _course(page)
    page.go(f"/courses/{slug}/reports")
    page.find("[data-report]")
    page.see("1 report")
    assert [head.text for head in page.all("th")] == [
        "Received", "Quiz", *(field.name for field in USUAL_FIELDS), "Mail"]
    page.click("[aria-label='Show the answers']")
    page.see("not answered")
    assert violations(page) == []
    page.find("input[type=search]").send_keys("nobody")
    page.see("No match")
    page.find("input[type=search]").send_keys(Keys.CONTROL, "a")
    page.find("input[type=search]").send_keys("tarrow")
    page.find("[data-report]")
    page.browser.execute_script("window.confirm = () => true")
    page.click("[aria-label='Delete this report']")
    page.see("The report was deleted.")
    page.go("/post-room")
    page.find("[data-letter]")
    page.see("To trainer@huts.example")
    assert violations(page) == []
    Select(page.find("select[aria-label='Reports are answered']")).select_by_value("slow")
    page.until(lambda: page.call("GET", "/post-room")["manner"] == "slow")


def test_on_a_phone_the_form_fits_and_can_be_filled_in(page, server):
    fit_window(page.browser, 390, 844)
    document, _ = detailed()
    launch(page, server, document)
    goes_on(page)
    assert page.browser.execute_script(
        "return document.documentElement.scrollWidth <= innerWidth")
    _field(page, "Hut *").send_keys("Scree", Keys.TAB)
    page.press("Next")
    page.see("Please fill in: Season, First day, I agree.")


def test_a_rehearsal_says_what_a_package_would_send_and_keeps_the_path(page, server):
    slug = imported(server, _posting(taken_course(), Post(), review_sent=True))
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.find("main.zz-view")
    _finish(page)
    page.see("In a package the result of “Keys” is sent now.")
    page.press("Back")
    page.until(lambda: title(page) != "Your result", "the review does not open")
    page.top()
    page.see("the report has arrived")
    page.find("input[aria-label='Name of the walkthrough']").send_keys("Reported")
    page.press("Keep this path")
    page.saved()
    page.see("as recorded")
    [walk] = page.call("GET", f"/courses/{slug}")["course"]["walkthroughs"]
    assert {"event": "sent", "quiz": "secquiz", "attempt": 1} in walk["events"]
    assert _reports(page, slug) == []


def test_five_learners_at_once_are_all_reported_once(page, server, room):
    put_in(page, server, _posting(taken_course(), Post(mail=ON)))
    package, first = page.browser.current_url, page.browser.current_window_handle
    links = page.until(lambda: page.all("a[aria-label^='Launch as ']"))
    names = [link.get_attribute("aria-label").removeprefix("Launch as ") for link in links]
    assert len(names) == 5
    windows = {}
    room("down")
    # All five have the course open at the same time, each in a window of their own.
    for name in names:
        page.browser.switch_to.new_window("tab")
        page.browser.get(package)
        page.click(f"a[aria-label='Launch as {name}']")
        inside(page)
        page.find("main.zz-view")
        windows[name] = page.browser.current_window_handle
    for name in names:
        page.browser.switch_to.window(windows[name])
        inside(page)
        _finish(page)
        page.see("is not sent yet")
    room("up")
    for name in names:
        page.browser.switch_to.window(windows[name])
        inside(page)
        page.see("Your result of “Keys” was sent.")
        page.browser.close()
    page.browser.switch_to.window(first)
    slug = _course(page)
    told = sorted(dict(report["fields"])["Name"] for report in _reports(page, slug))
    assert told == sorted(names)
    page.until(lambda: sum(one["to"] == ON and "Keys" in one["body"] + one["subject"]
                           for one in _letters(page)) >= 5)
