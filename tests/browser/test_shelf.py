"""A long shelf: more courses come as they are needed."""

def test_a_long_shelf_brings_more_as_it_is_looked_at(page):
    page.go("/")
    made = [page.call("POST", "/courses", {"title": f"Long shelf {n}"})["slug"]
            for n in range(26)]
    page.go("/")
    page.see("Long shelf 25")
    assert len(page.all("main li h2")) == 24
    page.browser.execute_script("window.scrollTo(0, document.body.scrollHeight);"
                                "document.querySelector('main').lastElementChild.scrollIntoView()")
    page.see("Long shelf 0")
    page.until(lambda: len(page.all("main li h2")) > 26)
    for slug in made:
        page.call("DELETE", f"/courses/{slug}")
