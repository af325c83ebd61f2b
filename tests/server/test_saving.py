"""Saving changes: whole or not at all, and together with what others have saved since."""

import pytest
from zigzag_core.editing.changes import diff
from zigzag_server.courses import saving
from zigzag_server.courses.models import Revision


def opened(mika, slug):
    return mika("get", f"/courses/{slug}")


def edited(slide, **fields):
    return {**slide, **fields}


class Window:
    """A window on a course: what it last had from the server, and what it makes of it."""

    def __init__(self, mika, slug):
        self.mika, self.slug = mika, slug
        now = opened(mika, slug)
        self.versions = {"course": now["version"],
                         "slides": {s["slide"]["id"]: s["version"] for s in now["slides"]}}
        self.course = now["course"]
        self.slides = {s["slide"]["id"]: s["slide"] for s in now["slides"]}

    def save(self, course=None, slides=(), status=200):
        before, after = {"slides": {}}, {"slides": {}}
        for slide in slides:
            after["slides"][slide["id"]] = slide
            if slide["id"] in self.slides:
                before["slides"][slide["id"]] = self.slides[slide["id"]]
        if course is not None:
            before["course"], after["course"] = self.course, course
        change = diff(before, after).model_dump(mode="json")
        body = {"base": self.versions, "change": change}
        return self.mika("post", f"/courses/{self.slug}/changes", body, status=status)


@pytest.fixture
def windows(mika, course):
    return Window(mika, course), Window(mika, course)


def second(window):
    return list(window.slides.values())[1]


def test_a_slide_and_the_settings_that_list_it_are_saved_together(mika, course):
    window = Window(mika, course)
    fresh = mika.edit("/new-slide", {"title": "New"})["slide"]
    settings = {**window.course, "slides": [*window.course["slides"], fresh["id"]]}
    saved = window.save(settings, [fresh])
    assert saved["versions"] == {"course": window.versions["course"] + 1,
                                 "slides": {fresh["id"]: 1}}
    assert opened(mika, course)["slides"][-1]["slide"] == fresh


def test_nothing_is_saved_of_a_change_that_breaks_a_rule(mika, course):
    window = Window(mika, course)
    before = opened(mika, course)
    settings = {**window.course, "slides": [*window.course["slides"], "nowhere0"]}
    refused = window.save(settings, [edited(second(window), title="Changed")], status=422)
    assert refused["code"] == "no_such_slide" and opened(mika, course) == before
    huge = edited(second(window), title="x" * 10_000)
    assert window.save(settings, [huge], status=422)["message"].startswith("That cannot be done")
    assert opened(mika, course) == before


def test_changes_of_different_things_on_one_slide_go_together(windows, mika, course):
    mine, theirs = windows
    slide = second(mine)
    theirs.save(slides=[edited(slide, title="Theirs")])
    first = {**slide["elements"][0], "x": 55}
    saved = mine.save(slides=[edited(slide, elements=[first, *slide["elements"][1:]])])
    merged = saved["merged"]["slides"][slide["id"]]
    assert (merged["title"], merged["elements"][0]["x"]) == ("Theirs", 55)
    assert saved["versions"]["slides"][slide["id"]] == 3
    now = opened(mika, course)["slides"][1]
    assert now["slide"] == merged and now["version"] == 3


def test_the_same_changed_twice_is_refused_with_both_and_nothing_is_written(windows, mika, course):
    mine, theirs = windows
    slide = second(mine)
    theirs.save(slides=[edited(slide, title="Theirs")])
    notes = {"notes": "Mine alone"}
    refused = mine.save(slides=[edited(slide, title="Mine", **notes)], status=409)
    assert refused["conflicts"] == [{"path": ["slides", slide["id"], "title"], "why": "changed"}]
    assert refused["theirs"]["slides"][slide["id"]]["title"] == "Theirs"
    assert refused["merged"]["slides"][slide["id"]]["notes"] == "Mine alone"
    assert refused["versions"]["slides"][slide["id"]] == 2
    assert opened(mika, course)["slides"][1]["slide"] == {**slide, "title": "Theirs"}


def test_what_does_not_fit_together_is_refused_with_the_reason(windows, mika, course):
    mine, theirs = windows
    slide = second(mine)
    [question] = slide["questions"]
    gone = question["choices"][0]["element"]
    removed = mika.edit("/remove", {"slide": slide, "elements": [gone]})["slide"]
    theirs.save(slides=[removed])
    other = {**question, "id": "another0", "name": "Another", "prompt": None, "submit": None,
             "choices": [{**question["choices"][0], "id": "anotherpart"}]}
    rest = {**question, "choices": question["choices"][1:]}
    refused = mine.save(slides=[edited(slide, questions=[rest, other])], status=409)
    assert refused["conflicts"] or "missing element" in refused["reason"]


def test_slides_that_two_windows_add_are_both_there(windows, mika, course):
    made = []
    for number, window in enumerate(windows):
        fresh = mika.edit("/new-slide", {"title": f"New {number}"})["slide"]
        made.append(fresh["id"])
        saved = window.save(
            {**window.course, "slides": [*window.course["slides"], fresh["id"]]}, [fresh])
    assert set(saved["merged"]["course"]["slides"]) >= set(made)
    now = opened(mika, course)["course"]["slides"]
    assert len(now) == 5 and set(now) >= set(made)


def test_sending_a_change_twice_writes_it_once(mika, course):
    window = Window(mika, course)
    changed = edited(second(window), title="Once")
    window.save(slides=[changed])
    count = Revision.objects.count()
    again = window.save(slides=[changed])
    assert Revision.objects.count() == count
    assert again["versions"]["slides"] == {} and again["merged"]["slides"][changed["id"]] == changed


def test_a_base_that_is_kept_no_more_still_overwrites_nothing(windows, mika, course):
    mine, theirs = windows
    slide = second(mine)
    theirs.save(slides=[edited(slide, title="Theirs")])
    Revision.objects.filter(slide_id=slide["id"], version=1).delete()
    assert mine.save(slides=[edited(slide, title="Mine")], status=409)["conflicts"]
    assert mine.save(slides=[edited(slide, notes="Mine")])["versions"]["slides"]
    now = opened(mika, course)["slides"][1]["slide"]
    assert (now["title"], now["notes"]) == ("Theirs", "Mine")


def test_a_change_of_what_no_course_has_is_refused(mika, course):
    body = {"base": {}, "change": {"operations": [
        {"op": "set", "path": ["owner"], "value": 1, "was": 2}]}}
    assert mika("post", f"/courses/{course}/changes", body, status=422)["code"] == "no_such_path"


def test_authors_change_only_what_is_theirs(mika, other, course):
    body = {"base": {}, "change": {"operations": []}}
    other("post", f"/courses/{course}/changes", body, status=404)


def test_a_save_that_comes_between_reading_and_writing_is_met(windows, mika, course, monkeypatch):
    mine, theirs = windows
    slide = second(mine)
    put_together, met = saving._put_together, []

    def late(*arguments):
        made = put_together(*arguments)
        if not met:
            met.append(True)
            theirs.save(slides=[edited(slide, title="Theirs")])
        return made

    monkeypatch.setattr(saving, "_put_together", late)
    saved = mine.save(slides=[edited(slide, notes="Mine")])
    assert met and saved["versions"]["slides"] == {slide["id"]: 3}
    now = opened(mika, course)["slides"][1]["slide"]
    assert (now["title"], now["notes"]) == ("Theirs", "Mine")


def test_others_who_save_without_a_break_are_told(windows, mika, course, monkeypatch):
    mine, _ = windows
    monkeypatch.setattr(saving, "write", lambda *_: (_ for _ in ()).throw(saving.Stale))
    busy = mine.save(slides=[edited(second(mine), notes="Mine")], status=503)
    assert busy["code"] == "busy" and "sent again" in busy["message"]
