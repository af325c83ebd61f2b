"""A course that cannot be read stands on the shelf, with the way to what is left of it."""

import sqlite3
from pathlib import Path

from tests.core.making import course, slide, text

from .driver import Page
from .packages import imported


def test_what_is_left_of_a_damaged_course_is_exported(page: Page, server):
    document = course(slide("slidea", text("wordsone")), slide("slideb", text("wordstwo")),
                      title="Half a course")
    slug = imported(server, document)
    with sqlite3.connect(Path(server.environment["ZIGZAG_DATA"]) / "zigzag.sqlite3") as data:
        data.execute("UPDATE courses_slide SET document = json_set(document, '$.elements[0].w', "
                     "'wide') WHERE slide_id = 'slidea' AND course_id = "
                     "(SELECT id FROM courses_course WHERE slug = ?)", [slug])
    data.close()
    page.go("/")
    page.see("cannot be read")
    page.see("slide slidea, elements › 0")
    page.press("Export what is left")
    page.see("Left out:")
    page.see("slide slidea, elements › 0")
    page.find("main li a[href^='/courses/']")
    page.click("button[aria-label='More about Half a course']")
    page.press("Delete")
    page.gone("button[aria-label='More about Half a course']")
