"""The player's words in a real package: another language and direction, and the author's own."""

from zigzag_core.course import CourseDocument
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.grading.solutions import wrong_response

from tests.core.making import course
from tests.core.samples import fresh_ids
from tests.core.test_questions import Taking, slide_with

from .packages import element_of, inside, launch


def speaking(made: CourseDocument, language: str, **words: str) -> CourseDocument:
    return made.model_copy(update={
        "course": made.course.model_copy(update={"language": language, "words": words})})


def test_a_german_course_speaks_german_also_after_coming_back(page, server):
    made = course(slide_with("single_choice"), blank_slide("Danach", fresh_ids(9)))
    made = speaking(made, "de", next="Auf geht’s")
    taker = Taking(made)
    launch(page, server, made)
    assert page.find("main").get_attribute("aria-label").startswith("Folie 1 von 2: ")
    part = wrong_response(taker.grader)[0][0]
    page.click(f"[data-element={element_of(taker, part)}]")
    submit = made.slides[0].questions[0].submit
    page.click(f"[data-element={submit}]")
    page.words("Noch nicht richtig")
    page.press("Noch einmal versuchen")
    page.gone("[role=dialog]")
    page.press("Auf geht’s")
    page.until(lambda: page.find("main").get_attribute("aria-label").startswith("Folie 2 von 2"))
    assert page.button("Zurück")
    page.top()
    page.browser.refresh()
    inside(page)
    page.words("Willkommen zurück")
    page.words("Sie waren bei „Danach“ und haben 2 von 2 Folien gesehen.")
    page.press("Fortsetzen")
    page.until(lambda: page.find("main").get_attribute("aria-label").startswith("Folie 2 von 2"))


def test_an_arabic_course_runs_from_right_to_left_and_its_slide_stays_in_place(
        page, server):
    made = course(slide_with("single_choice"), blank_slide("بعد ذلك", fresh_ids(9)))
    made = speaking(made, "ar")
    launch(page, server, made)
    page.find("main")
    root = page.find("html")
    assert (root.get_attribute("lang"), root.get_attribute("dir")) == ("ar", "rtl")
    next_button, place = page.button("التالي"), page.find(".zz-place")
    assert next_button.rect["x"] < place.rect["x"]
    # The slide lies in the middle, and its elements where their author has put them.
    def box(css):
        return page.browser.execute_script(
            "return document.querySelector(arguments[0]).getBoundingClientRect()", css)

    def middle(css):
        return box(css)["left"] + box(css)["width"] / 2

    page.until(lambda: abs(middle(".zz-frame") - middle(".zz-slide")) < 2)
    prompt = next(e for e in made.slides[0].elements if e.id == made.slides[0].questions[0].prompt)
    slide, shown = box(".zz-slide"), box(f"[data-element={prompt.id}]")
    scale = slide["width"] / made.course.size.w
    assert abs(shown["left"] - slide["left"] - prompt.x * scale) < 2
