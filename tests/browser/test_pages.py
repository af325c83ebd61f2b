"""Long lists come page by page, as one goes down."""

import pytest
from selenium.webdriver.support.ui import Select

from tests.core.making import course, slide, text

from .packages import imported

MANY = 130
FILL = """
from django.contrib.auth.models import User
from zigzag_server.courses.models import SharedFile
from zigzag_server.practice.models import Package
user = User.objects.get(username="mika")
Package.objects.bulk_create(Package(
    owner=user, title=f"Package {{n}}", folder=f"practice/{{n}}", files=1, size=1)
    for n in range({many}))
SharedFile.objects.bulk_create(SharedFile(
    owner=user, sha256=f"{{n:064}}", document={{
        "id": f"file{{n}}", "name": f"Map {{n}}", "sha256": f"{{n:064}}", "type": "image/png",
        "size": 1, "w": 1, "h": 1}})
    for n in range({many}))
print({many})
"""
EMPTY = """
from zigzag_server.courses.models import SharedFile
from zigzag_server.practice.models import Package
print(SharedFile.objects.filter(document__name__startswith="Map ").delete()[0]
      + Package.objects.filter(folder__startswith="practice/").delete()[0])
"""


@pytest.fixture
def many(server):
    assert server.shell(FILL.format(many=MANY)) == MANY
    yield
    server.shell(EMPTY)


def _named(page, what):
    """The texts in the page that begin with `what` and a number."""
    found = page.browser.find_elements(
        "xpath", f"//*[self::p or self::h2][starts-with(., '{what} ')]")
    return [one for one in found if one.text.split()[-1].isdigit()]


def _down(page, what):
    """Go down until all have come."""
    page.until(lambda: _named(page, what), "the first page")

    def all_came():
        named = _named(page, what)
        page.browser.execute_script("arguments[0].scrollIntoView()", named[-1])
        return len(named) == MANY

    page.until(all_came, "all pages")


def test_long_lists_come_page_by_page_and_the_library_is_searched_whole(
        page, server, many):
    page.go("/practice")
    page.until(lambda: 0 < len(_named(page, "Package")) < MANY, "one page")
    _down(page, "Package")

    page.go(f"/courses/{imported(server, course(slide('slidea', text('wordsone'))))}/build")
    page.press("Media")
    Select(page.find("select[aria-label='From']")).select_by_visible_text("My library")
    _down(page, "Map")
    page.find("input[aria-label='Search media']").send_keys("map 12")
    page.until(lambda: len(_named(page, "Map")) == 12, "what is called that")
    page.find("input[aria-label='Search media']").send_keys("x")
    page.see("No match.")


def test_a_list_that_does_not_come_says_so_and_is_asked_for_again(page):
    page.go("/")
    page.find("main li")
    page.line(offline=True)
    page.click("a[href='/practice']")
    page.see("The list could not be loaded.")
    page.line()
    page.press("Try again")
    page.gone("[role=alert]")
