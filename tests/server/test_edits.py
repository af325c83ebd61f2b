"""Edits over the API: they answer with what would be, and store nothing."""


def opened(mika, slug):
    return mika("get", f"/courses/{slug}")


def test_nothing_is_stored_by_an_edit(mika, course):
    before = opened(mika, course)
    slide, settings = before["slides"][1]["slide"], before["course"]
    ids = [element["id"] for element in slide["elements"]]
    added = mika.edit("/add", {"slide": slide, "course": settings, "what": "slider"})
    assert added["course"]["variables"][0]["name"] == "Slider"
    grouped = mika.edit("/group", {"slide": slide, "elements": ids[:2]})
    [made] = grouped["selected"]
    mika("post", "/edits/ungroup", {"slide": grouped["slide"], "elements": [made]})
    for how in ({"edge": "left"}, {"axis": "down"}, {"side": "both"}, {"turn": 30},
                {"flip": "across"}, {"level": "front"}, {"edge": "middle", "to_slide": True}):
        answer = mika.edit("/arrange", {"slide": slide, "elements": ids, **how})
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
    made = mika.edit("/new-slide", body)
    assert [layout["id"] for layout in made["course"]["layouts"]] == ["layoutcards"]
    assert made["slide"]["layout"] == "layoutcards"
    body = {"slide": slide, "course": settings, "layout": "layouttext"}
    changed = mika.edit("/change-layout", body)
    assert changed["slide"]["layout"] == "layouttext"
    own = mika.edit("/layout-from", {"slide": slide, "course": settings, "name": "Mine"})
    assert own["course"]["layouts"][0]["name"] == "Mine"
    body = {"slide": slide, "course": settings, "layout": "nowhere"}
    mika("post", "/edits/change-layout", body, status=404)


def test_outlines_finding_replacing_and_sizes(mika, course):
    settings = opened(mika, course)["course"]
    made = mika.edit("/outline", {"text": "# A\n## b\n## c", "course": settings})
    assert [s["title"] for s in made["slides"].values()] == ["b", "c"]
    assert [s["title"] for s in made["course"]["sections"]] == ["A"]
    too_long = {"text": "x\n" * 6_000, "course": settings}
    assert mika("post", "/edits/outline", too_long, status=422)["code"] == "too_long"
    query = {"what": "texts", "text": "answer"}
    answer = mika("post", f"/edits/find/{course}", query)
    found = answer["places"]
    assert answer["total"] == len(found) > 1
    assert all(place["match"].lower() == "answer" for place in found)
    body = {**query, "by": "reply", "places": [found[0]["key"]]}
    changed = mika("post", f"/edits/replace/{course}", body)["change"]["operations"]
    assert len({operation["path"][1] for operation in changed}) == 1
    body = {"what": "colours", "text": "primary", "by": "no colour"}
    refused = mika("post", f"/edits/replace/{course}", body, status=422)
    assert "cannot stand there" in refused["message"]
    upright = mika("post", f"/edits/resize/{course}", {"w": 720, "h": 1280})
    paths = [operation["path"] for operation in upright["change"]["operations"]]
    resized = {path[1] for path in paths if path[0] == "slides"}
    assert ["course", "size", "w"] in paths and len(resized) == 3
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


def test_a_table_that_is_too_long_is_taken_as_far_as_there_is_room(mika, course):
    now = opened(mika, course)
    slide = mika.edit("/new-slide", {"title": "Long"})["slide"]
    added = mika.edit("/add", {"slide": slide, "course": now["course"], "what": "single_choice"})
    [question] = added["slide"]["questions"]
    body = {"slide": added["slide"], "question": question["id"], "where": "choices", "at": 0,
            "rows": [[f"Answer {n}", "x" if n == 3 else ""] for n in range(40)]}
    pasted = mika.edit("/parts/table", body)
    [asked] = pasted["slide"]["questions"]
    assert (len(asked["choices"]), pasted["left_out"]) == (26, 14)
    more = {"slide": pasted["slide"], "question": question["id"], "where": "choices",
            "words": ["One more"]}
    said = mika("post", "/edits/parts", more, status=422)["message"]
    assert "no more than 26" in said and "Nothing was added" in said


def test_what_a_slide_cannot_hold_is_refused_and_nothing_is_changed(mika, course):
    now = opened(mika, course)
    slide = now["slides"][0]["slide"]
    one = slide["elements"][-1]
    slide["elements"] += [{**one, "id": f"copy{n:08}", "name": f"Copy {n}", "rules": []}
                          for n in range(2_000 - len(slide["elements"]))]
    body = {"slide": slide, "course": now["course"], "what": "button"}
    said = mika("post", "/edits/add", body, status=422)
    assert "nothing was changed" in said["message"].lower()


def test_an_overlay_is_added_with_elements_and_taken_away(mika, course):
    slide = opened(mika, course)["slides"][1]["slide"]
    ids = [element["id"] for element in slide["elements"]]
    made = mika.edit("/overlay", {"slide": slide, "elements": ids[:1]})
    assert made["slide"]["elements"][0]["overlay"] == made["made"]
    left = mika.edit("/overlay/remove", {"slide": made["slide"], "overlay": made["made"]})["slide"]
    assert [element["id"] for element in left["elements"]] == ids[1:] and not left["overlays"]


def test_slides_are_taken_out_with_what_leads_to_them_listed_or_not(mika, course):
    now = opened(mika, course)
    settings, first = now["course"], now["slides"][0]["slide"]
    fresh = mika.edit("/new-slide", {"title": "Not listed yet"})["slide"]
    mika("put", f"/courses/{course}/slides/{fresh['id']}", {"base": 0, "slide": fresh}, status=200)
    leading = {**first, "onward": {"to": "slide", "slide": fresh["id"]}}
    mika("put", f"/courses/{course}/slides/{first['id']}", {"base": 1, "slide": leading},
         status=200)
    here = {**settings, "slides": [*settings["slides"], fresh["id"]],
            "sections": [{"id": "sectiona", "title": "Last", "before": fresh["id"], "rules": []}]}
    body = {"course": here, "slides": [fresh["id"]]}
    change = mika("post", f"/edits/remove-slides/{course}", body, status=200)["change"]
    done = {tuple(o["path"]): o for o in change["operations"]}
    assert done["course", "slides", fresh["id"]]["op"] == "remove"
    assert done["course", "sections", "sectiona", "before"]["value"] is None
    assert done["slides", first["id"], "onward"]["value"] == {"to": "next"}
    assert opened(mika, course)["course"] == settings, "nothing is stored"


def test_removing_takes_what_names_it_on_other_slides_along(mika, course):
    now = opened(mika, course)
    first, second = (entry["slide"] for entry in now["slides"][:2])
    named = second["elements"][0]["id"]
    asking = {**first, "rules": [{"id": "asking00", "condition": ["clicked", named], "do": [
        {"action": "announce", "text": named}]}]}
    mika("put", f"/courses/{course}/slides/{first['id']}", {"base": 1, "slide": asking},
         status=200)
    body = {"slide": second, "elements": [named], "course": course}
    change = mika("post", "/edits/remove", body, status=200)["change"]
    elsewhere = [o for o in change["operations"] if o["path"][1] == first["id"]]
    assert [(o["path"][2:], o["value"]) for o in elsewhere] == [
        (["rules", "asking00", "condition"], False)]
