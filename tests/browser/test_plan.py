"""Plan by hand and by keyboard: an outline typed and pasted, the route drawn from it."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from .driver import Page
from .test_resilience import _new_course


def lines(page: Page) -> list[str]:
    return [line.get_attribute("value") for line in page.all("[data-line]")]


def focused(page: Page) -> str:
    return page.browser.execute_script("return document.activeElement.value")


def keys(page: Page, *names: str) -> None:
    """Press keys into whatever has the focus."""
    page.browser.switch_to.active_element.send_keys(*names)


def open_plan(page: Page, title: str) -> str:
    slug = _new_course(page, title)
    page.go(f"/courses/{slug}/plan")
    page.find("[data-line]")
    return slug


def test_an_outline_is_typed_by_keyboard_alone(page):
    slug = open_plan(page, "Typed")
    page.click("[data-line]")
    for title in ("Boots", "Ropes", "Kitchen"):
        wanted = len(lines(page)) + 1
        keys(page, Keys.ENTER)
        page.until(lambda n=wanted: len(lines(page)) == n and focused(page) == "")
        keys(page, title)
    page.until(lambda: lines(page) == ["Welcome", "Boots", "Ropes", "Kitchen"])
    keys(page, Keys.SHIFT, Keys.TAB)
    section = "input[aria-label='Section Kitchen']"
    page.find(section)
    page.until(lambda: focused(page) == "Kitchen")
    keys(page, Keys.TAB)
    page.gone(section)
    page.until(lambda: focused(page) == "Kitchen")
    keys(page, Keys.ALT, Keys.ARROW_UP)
    page.until(lambda: lines(page) == ["Welcome", "Boots", "Kitchen", "Ropes"])
    keys(page, Keys.TAB)
    page.until(lambda: page.all("li")[2].text.startswith("↳"))
    keys(page, Keys.ARROW_UP)
    page.until(lambda: focused(page) == "Boots")
    keys(page, Keys.SHIFT, Keys.ARROW_DOWN)
    keys(page, Keys.DELETE)
    page.until(lambda: lines(page) == ["Welcome", "Ropes"])
    page.click("[data-line]")
    keys(page, Keys.CONTROL, "z")
    page.until(lambda: lines(page) == ["Welcome", "Boots", "Kitchen", "Ropes"])
    page.saved()
    page.go(f"/courses/{slug}/build")
    page.click("[data-stop-button='1']")
    page.until(lambda: "Boots" in page.find("[data-stage]").text)


def test_a_list_is_pasted_and_becomes_sections_and_slides(page):
    open_plan(page, "Pasted")
    page.click("[data-line]")
    page.paste("# Arriving\n## Guests\nGreet first\n- Offer the bench\n## Map\n"
                "# Rooms\n## Kitchen")
    page.until(lambda: lines(page) == ["Welcome", "Arriving", "Guests", "Map", "Rooms", "Kitchen"])
    page.see("4 slides")
    page.until(lambda: len(page.all("[data-route-stop]")) == 4)
    page.press("Fold sections")
    page.until(lambda: len(page.all("[data-route-stop]")) == 1)
    page.see("2 slides")
    page.press("Unfold sections")
    page.find("input[aria-label='Find a slide']").send_keys("kit")
    stop = page.until(lambda: next((s for s in page.all("[data-route-stop]")
                                    if "Kitchen" in s.text), None))
    page.saved()
    stop.click()
    page.find("[data-stage]")
    page.until(lambda: "Kitchen" in page.find("[data-stage]").text)
    page.click("[data-stop-button='1']")
    page.until(lambda: "Offer the bench" in page.find("[data-stage]").text)


def test_lines_are_chosen_dragged_and_cut_and_pasted(page):
    open_plan(page, "Moved")
    page.click("[data-line]")
    page.paste("a\nb\nc\nd")
    page.until(lambda: lines(page) == ["Welcome", "a", "b", "c", "d"])
    grips = page.all("button.grip")
    grips[1].click()
    ActionChains(page.browser).key_down(Keys.CONTROL).click(grips[2]).key_up(Keys.CONTROL).perform()
    chain = ActionChains(page.browser).click_and_hold(grips[1]).move_by_offset(4, 10)
    chain.move_to_element(grips[4]).pause(0.2).release().perform()
    page.until(lambda: lines(page) == ["Welcome", "c", "d", "a", "b"])
    page.all("[data-line]")[1].click()
    keys(page, Keys.CONTROL, "x")
    page.all("[data-line]")[4].click()
    page.paste("")
    page.until(lambda: lines(page) == ["Welcome", "d", "a", "b", "c"])
    page.saved()


def lead_the_first_to(page, slug, target):
    """In Build, let the first slide's *Next* lead to the slide `target`, by number and title."""
    page.saved()
    page.go(f"/courses/{slug}/build")
    page.click("[data-stop-button='0']")
    onward = page.find("select[aria-label='Next leads to']")
    onward.send_keys(target)
    page.until(lambda: target in onward.get_property("selectedOptions")[0].text)
    page.saved()


def test_forks_and_what_nothing_leads_to_are_shown(page):
    slug = open_plan(page, "Forked")
    page.click("[data-line]")
    page.paste("a\nb\nc")
    page.until(lambda: len(lines(page)) == 4)
    lead_the_first_to(page, slug, "3 b")
    page.go(f"/courses/{slug}/plan")
    page.see("nothing leads to 1 slide")
    page.see("Nothing leads here")
    # The opening slide's button now leads where the slide does: one way, no fork.
    page.see("0 forks")


def test_notes_and_a_transcript_are_kept_and_read_by_learners(page):
    slug = open_plan(page, "Noted")
    page.click("[data-line]")
    notes, transcript = page.all("aside textarea")
    notes.send_keys("Keep it short")
    transcript.send_keys("Good morning, warden.")
    page.saved()
    page.until(lambda: "Keep it short" in page.find("ol[aria-label='Sections and slides']").text)
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe")
    page.press("Transcript")
    page.see("Good morning, warden.")
    page.press("Close")
    page.gone(".zz-transcript")


def boxes(page, selector):
    return [e.rect for e in page.all(selector)]


def test_the_route_of_a_course_can_be_read_and_walked(page):
    page.go("/courses/hut-warden-basics/plan")
    page.until(lambda: len(page.all("[data-route-stop]")) > 20)
    page.see("every slide is reached and leads on")
    pictures, titles = boxes(page, "[role=region] [data-picture]"), boxes(page, "[data-title]")
    assert min(t["height"] for t in titles) >= 14, "titles can be read"
    for n, title in enumerate(titles):
        for m, picture in enumerate(pictures):
            apart = (title["x"] + title["width"] <= picture["x"]
                     or picture["x"] + picture["width"] <= title["x"]
                     or title["y"] + title["height"] <= picture["y"]
                     or picture["y"] + picture["height"] <= title["y"])
            assert n == m or apart
    # A slide with many ways lists them where it is looked at, and draws them then.
    stop = next(s for s in page.all("[data-route-stop]") if "Hut map" in s.text)
    assert "more ways from here" in stop.get_property("textContent")
    name = stop.get_attribute("data-route-stop")
    ActionChains(page.browser).move_to_element(stop).perform()
    details = page.until(lambda: page.find(f"[data-details='{name}']"))
    page.until(lambda: "Weather board" in details.text and "is clicked" in details.text)
    assert page.find(f"[data-ways-of='{name}']").find_elements("css selector", "path")
    # The outline's mark brings a stop into view, and arrow keys walk along the route.
    line = next(e for e in page.all("[data-line]") if e.get_attribute("value") == "Result")
    line.click()
    current = page.until(lambda: page.find("[data-route-stop][aria-current]"))
    pane = page.find("section [role=region], [role=region][aria-label=Route]").rect
    page.until(lambda: pane["y"] <= current.rect["y"] <= pane["y"] + pane["height"])
    page.browser.execute_script("arguments[0].focus()", current)
    keys(page, Keys.ARROW_LEFT)
    page.until(lambda: page.browser.switch_to.active_element.get_attribute("data-route-stop")
               not in (None, current.get_attribute("data-route-stop")))
    before = page.browser.switch_to.active_element
    number = int(before.find_element("css selector", "[data-title]").text.split(" ")[0])
    keys(page, Keys.ENTER)
    page.find("[data-stage]")
    page.find(f"[data-stop-button='{number - 1}'][aria-current]")


def test_the_overview_shows_all_of_a_long_route_and_leads_there(page):
    page.go("/courses/hut-warden-basics/plan")
    page.until(lambda: len(page.all("[data-route-stop]")) > 20)
    overview = page.find("[data-overview] svg")
    ActionChains(page.browser).move_to_element_with_offset(
        overview, 0, int(overview.rect["height"] / 2) - 4).click().perform()
    pane = page.find("[role=region][aria-label=Route]").rect
    page.until(lambda: any("86" in s.text and pane["y"] < s.rect["y"] < pane["y"] + pane["height"]
                           for s in page.all("[data-route-stop]")))


def test_findings_stand_by_kind_beside_the_route_and_beside_the_slide(page):
    slug = open_plan(page, "Found")
    page.click("[data-line]")
    page.paste("a\nb\nc\nd")
    page.until(lambda: len(lines(page)) == 5)
    lead_the_first_to(page, slug, "5 d")
    page.go(f"/courses/{slug}/plan")
    chip = page.button("3 findings")
    chip.click()
    page.see("Nothing leads to 3 slides")
    page.press("Nothing leads to 3 slides")
    page.press("Show it on “b”")
    page.until(lambda: "b" in page.find("[data-route-stop][aria-current]").text)
    page.press("Close the findings")
    page.find("[data-details]")
    page.go(f"/courses/{slug}/build")
    page.press("3 findings")
    page.press("Nothing leads to 3 slides")
    page.press("Show it on “c”")
    page.find("[data-stop-button='3'][aria-current]")
    # In Publish they stand below the button that publishes.
    page.go(f"/courses/{slug}/publish")
    page.see("Nothing leads to 3 slides")
    publish = page.button("Publish as SCORM 1.2").rect
    group = page.button("Nothing leads to 3 slides").rect
    assert publish["y"] + publish["height"] < group["y"]
    assert publish["y"] + publish["height"] < page.browser.get_window_size()["height"]
