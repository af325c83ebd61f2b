"""Edits over the API: they answer with what would be, and store nothing."""


def opened(mika, slug):
    return mika("get", f"/courses/{slug}")


def test_nothing_is_stored_by_an_edit(mika, course):
    before = opened(mika, course)
    slide, settings = before["slides"][1]["slide"], before["course"]
    ids = [element["id"] for element in slide["elements"]]
    added = mika("post", "/edits/add", {"slide": slide, "course": settings, "what": "slider"})
    assert added["course"]["variables"][0]["name"] == "Slider"
    grouped = mika("post", "/edits/group", {"slide": slide, "elements": ids[:2]})
    [made] = grouped["selected"]
    mika("post", "/edits/ungroup", {"slide": grouped["slide"], "elements": [made]})
    for how in ({"edge": "left"}, {"axis": "down"}, {"side": "both"}, {"turn": 30},
                {"flip": "across"}, {"level": "front"}, {"edge": "middle", "to_slide": True}):
        answer = mika("post", "/edits/arrange", {"slide": slide, "elements": ids, **how})
        assert len(answer["slide"]["elements"]) == len(ids)
    mika("post", "/edits/remove", {"slide": slide, "elements": ids})
    assert opened(mika, course) == before


def test_a_group_of_one_is_refused_with_a_reason(mika, course):
    slide = opened(mika, course)["slides"][0]["slide"]
    body = {"slide": slide, "elements": [slide["elements"][0]["id"]]}
    assert "at least two" in mika("post", "/edits/group", body, status=422)["message"]


def test_layouts_are_offered_taken_in_and_made(mika, course):
    now = opened(mika, course)
    settings, slide = now["course"], now["slides"][0]["slide"]
    offered = mika("post", "/edits/layouts", {"course": settings})
    assert len(offered) >= 12
    body = {"title": "Cards", "course": settings, "layout": "layoutcards"}
    made = mika("post", "/edits/new-slide", body)
    assert [layout["id"] for layout in made["course"]["layouts"]] == ["layoutcards"]
    assert made["slide"]["layout"] == "layoutcards"
    body = {"slide": slide, "course": settings, "layout": "layouttext"}
    changed = mika("post", "/edits/change-layout", body)
    assert changed["slide"]["layout"] == "layouttext"
    own = mika("post", "/edits/layout-from", {"slide": slide, "course": settings, "name": "Mine"})
    assert own["course"]["layouts"][0]["name"] == "Mine"
    body = {"slide": slide, "course": settings, "layout": "nowhere"}
    mika("post", "/edits/change-layout", body, status=404)


def test_outlines_finding_replacing_and_sizes(mika, course):
    settings = opened(mika, course)["course"]
    made = mika("post", "/edits/outline", {"text": "# A\n## b\n## c", "course": settings})
    assert [s["title"] for s in made["slides"]] == ["b", "c"]
    assert [s["title"] for s in made["course"]["sections"]] == ["A"]
    too_long = {"text": "x\n" * 6_000, "course": settings}
    assert mika("post", "/edits/outline", too_long, status=422)["code"] == "too_long"
    query = {"what": "texts", "text": "answer"}
    found = mika("post", f"/edits/find/{course}", query)
    assert found and all(place["match"].lower() == "answer" for place in found)
    body = {**query, "by": "reply", "places": [found[0]["key"]]}
    changed = mika("post", f"/edits/replace/{course}", body)
    assert len(changed["slides"]) == 1
    body = {"what": "colours", "text": "primary", "by": "no colour"}
    refused = mika("post", f"/edits/replace/{course}", body, status=422)
    assert "cannot stand there" in refused["message"]
    upright = mika("post", f"/edits/resize/{course}", {"w": 720, "h": 1280})
    assert upright["course"]["size"] == {"w": 720, "h": 1280} and len(upright["slides"]) == 3
    mika("post", f"/edits/resize/{course}", {"w": 1, "h": 1}, status=422)


def test_weak_colours_are_told(mika):
    assert mika("post", "/edits/contrast", {}) == []
    assert mika("post", "/edits/contrast", {"ink": "#aaaaaa"})[0]["words"] == "ink"


def test_the_check_tells_the_route(mika, course):
    now = opened(mika, course)
    slide = {**now["slides"][0]["slide"], "onward": {"to": "nowhere"}}
    slide["elements"] = [{**e, "rules": []} for e in slide["elements"]]
    mika("put", f"/courses/{course}/slides/{slide['id']}", {"base": 1, "slide": slide}, status=200)
    route = mika("get", f"/courses/{course}/check")["route"]
    assert route["dead_ends"] == [slide["id"]]
    assert set(route["unreached"]) == set(now["course"]["slides"][1:])
