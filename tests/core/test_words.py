"""The player's own words, in the course's language and in those of its author."""

import re

import pytest
from zigzag_core.compiler.compile import compile_course
from zigzag_core.course import Course, Feedback
from zigzag_core.course.questions.new_questions import new_question
from zigzag_core.course.text.rich_text import plain
from zigzag_core.course.text.spoken import spoken
from zigzag_core.editing.questions.making import with_button
from zigzag_core.engine.expression import evaluate
from zigzag_core.packaging.package import page
from zigzag_core.words import ENGLISH, LANGUAGES, direction, player_words, say_in

from tests.core.making import course
from tests.core.samples import fresh_ids
from tests.core.test_questions import Taking, document, slide_with

GAP = re.compile(r"\{[a-z]+\}")


@pytest.mark.parametrize("language", LANGUAGES)
def test_every_language_has_every_text_with_the_same_gaps(language):
    words = player_words(language, {})
    assert list(words) == list(ENGLISH)
    for key, english in ENGLISH.items():
        gaps = set(GAP.findall(english))
        # “1 point” needs no number in some languages and one in others.
        assert set(GAP.findall(words[key])) == gaps, key
        assert words[key].strip() == words[key] != ""
    if language != "en":
        same = [key for key, text in words.items() if text == ENGLISH[key]]
        assert len(same) < 10, same


def test_what_an_author_says_instead_comes_first_and_gaps_are_filled_once():
    say = say_in("de-CH", {"next": "Vorwärts"})
    assert say("next") == "Vorwärts"
    assert say("place", n=2, count=9) == "Folie 2 von 9"
    assert say("place_titled", n=1, count=2, title="{count} {n}") == "Folie 1 von 2: {count} {n}"
    assert say_in("it", {})("next") == "Next"


def in_german(made, **words):
    return made.model_copy(update={
        "course": made.course.model_copy(update={"language": "de", "words": words})})


def test_questions_are_judged_and_answered_in_the_courses_language():
    tells = Feedback(tells=True)
    made = in_german(
        document(slide_with("multiple_response"), attempts=2, feedback=tells),
        not_right_yet="Hm, nein")
    taker = Taking(made)
    panels = {overlay.title for overlay in taker.slide.overlays}
    assert {"Richtig", "Hm, nein", "Teilweise richtig"} <= panels
    wrong = next(part.id for part in taker.grader.parts if not part.right)
    taker.answers(((wrong, ""),)).submits()
    told = next(e for overlay in taker.slide.overlays for e in overlay.elements
                if e.words and overlay.id in taker.state.overlays)
    said = evaluate(taker.index, taker.state, told.words)
    assert said.endswith("falsch: 0 von 1 Punkt")


def test_an_english_program_carries_no_words_and_others_all_that_differ():
    assert compile_course(course(slide_with("numeric")), lambda file: "").words == {}
    program = compile_course(in_german(course(slide_with("numeric"))), lambda file: "")
    assert program.words["next"] == "Weiter" and "new_right" not in program.words


def test_words_that_the_player_does_not_have_are_refused():
    with pytest.raises(ValueError, match="no words for"):
        Course(id="course", title="C", words={"nexd": "Weiter"})
    with pytest.raises(ValueError, match="at least 1"):
        Course(id="course", title="C", words={"next": ""})


def test_a_new_button_speaks_the_courses_language():
    slide = slide_with("single_choice")
    asked = slide.questions[0].model_copy(update={"submit": None})
    slide = slide.model_copy(update={"questions": (asked,)})
    made, (name,) = with_button(slide, asked.id, "submit", fresh_ids(5), say=say_in("fr", {}))
    assert next(e for e in made.elements if e.id == name).label == "Valider"


def test_the_page_of_a_course_is_written_in_its_direction():
    shown = page(Course(id="course", title="دورة", language="ar"), ())
    assert '<html lang="ar" dir="rtl">' in shown
    assert "جارٍ تحميل الدورة" in shown
    assert direction("de") == "ltr"


def test_a_new_question_gives_feedback_in_the_courses_language():
    elements, question = new_question("true_false", fresh_ids(5), say=say_in("de", {}))
    assert plain(question.feedback.right) == "Gut gemacht."
    assert plain(question.feedback.last) == "Die richtige Antwort war eine andere."
    assert {"Richtig", "Falsch", "Antwort absenden"} <= {spoken(element) for element in elements}
    assert {"True", "False"} <= {element.name for element in elements}
    said = {say_in(language, {})("new_wrong") for language in LANGUAGES}
    assert len(said) == len(LANGUAGES) and not {"new_wrong", "true"} & set(ENGLISH)
    *_, survey = new_question("open_answer", fresh_ids(6), say=say_in("fr", {}))
    assert plain(survey.feedback.answered) == "Votre réponse a été envoyée."
