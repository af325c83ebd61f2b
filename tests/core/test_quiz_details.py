"""Details first: a slide that asks for name, mail address and more, once, before a quiz."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import CourseDocument, Input, TextVariable
from zigzag_core.course.quizzes import Quiz
from zigzag_core.editing.quizzes.details import MOST_DETAILS, Detail, usual_details, with_details
from zigzag_core.engine import engine
from zigzag_core.engine.operators import is_mail
from zigzag_core.engine.values import admitted
from zigzag_core.errors import NoQuiz
from zigzag_core.verification.findings.document import findings
from zigzag_core.words import LANGUAGES, say_in

from .making import Learner, course, slide
from .samples import fresh_ids, index_of
from .test_quiz_taking import Taker, taken_course

ASKED = (
    Detail(kind="name", label="Name"), Detail(kind="mail", label="Mail", need="optional"),
    Detail(kind="text", label="Hut"), Detail(kind="choice", label="Season", options=("Winter",)),
    Detail(kind="number", label="Years", need="optional"),
    Detail(kind="date", label="First day"),
    Detail(kind="agreement", label="I agree"),
    Detail(kind="text", label="Ridge", need="hidden", default="Larkspur"),
)


def detailed(details=ASKED, **settings):
    """A quiz that asks for details first."""
    document = taken_course(**settings)
    quiz = next(section.id for section in document.course.sections if section.quiz)
    changed, made = with_details(document.course, quiz, details, fresh_ids())
    by_id = {one.id: one for one in (*document.slides, made)}
    return CourseDocument(course=changed, slides=tuple(by_id[one] for one in changed.slides)), made


class Asked(Taker):
    """Somebody who is at the details slide."""

    def __init__(self, document, made, name="Ines Tarrow"):
        super().__init__(document)
        self.state = engine.start(self.index, 1, name)
        self.does("start", target=made.id)
        self.fields = {e.label: e.id for e in made.elements if isinstance(e, Input)}
        self.names = {v.name: v.id for v in document.course.variables}

    def fills(self, **values):
        for label, value in values.items():
            self.does("entered", target=self.fields[label.replace("_", " ")], value=value)
        return self

    def value(self, name):
        return self.state.variables[self.names[name]]

    def closed(self):
        """What is said to whoever wants to go on."""
        self.does("next")
        return next((e["message"] for e in self.effects if e["effect"] == "closed"), None)


def test_what_is_lacking_is_named_until_all_is_filled_in():
    learner = Asked(*detailed())
    assert learner.closed() == "Please fill in: Hut, Season, First day, I agree."
    learner.fills(Hut="  ", Season="Summer", First_day="31.12.2030", I_agree=False, Mail="ines@")
    assert learner.closed() == "Please fill in: Mail, Hut, Season, First day, I agree."
    learner.fills(Hut="Scree", Season="Winter", First_day="2030-12-31", I_agree=True)
    assert learner.closed() == "Please fill in: Mail."
    learner.fills(Mail="ines@huts.example")
    assert learner.closed() is None and learner.slide != learner.index.program.quizzes[0].details
    assert (learner.value("Name"), learner.value("Ridge"), learner.value("Years")) == (
        "Ines Tarrow", "Larkspur", "")


def test_a_number_can_be_cleared_again():
    learner = Asked(*detailed()).fills(Years="12,5")
    assert learner.value("Years") == "12.5"
    assert learner.fills(Years="").value("Years") == ""


def test_who_is_not_known_to_the_lms_says_their_name():
    learner = Asked(*detailed(), name="")
    assert learner.closed().startswith("Please fill in: Name,")


@pytest.mark.parametrize("again", ["new", "same", "wrong", "unseen"])
def test_details_are_never_asked_for_twice(again):
    document, made = detailed((Detail(kind="name", label="Name"),), again=again)
    learner = Asked(document, made).fills(Name="Bo").does("next")
    quiz = learner.index.program.quizzes[0]
    assert made.id in quiz.opening
    learner.answers(False, False, False, False)
    assert learner.slide in quiz.outcomes
    learner.clicks("again")
    assert learner.state.draws[0].attempt == 2
    assert learner.slide != made.id and learner.value("Name") == "Bo"
    assert made.id not in learner.index.ordered(learner.state.draws).position


def test_the_slide_stands_in_the_quiz_and_empty_sections_stay_before_it():
    document, made = detailed()
    section = next(one for one in document.course.sections if one.quiz)
    assert section.before == made.id and section.quiz.details == made.id
    with pytest.raises(NoQuiz):
        with_details(document.course, "nowhere", ASKED, fresh_ids())


@pytest.mark.parametrize("count", [1, 5, 6, MOST_DETAILS])
def test_all_fields_are_on_the_slide_and_apart(count):
    details = [Detail(kind="text", label=f"Field {n}") for n in range(count)]
    _, made = detailed(details)
    fields = [e for e in made.elements if isinstance(e, Input)]
    assert len(fields) == count
    assert all(e.y + e.h <= 720 and e.x + e.w <= 1280 for e in fields)
    for one in fields:
        for other in fields:
            assert one is other or one.x != other.x or abs(one.y - other.y) >= one.h


def test_details_that_nothing_uses_are_found():
    document, _ = detailed()
    unused = [f.message for f in findings(document) if f.code == "variable_never_read"]
    assert "“Hut” is set, but nothing shows it or asks for it." in unused


def test_the_usual_details_speak_the_courses_language():
    labels = {language: [d.label for d in usual_details(say_in(language, {}))]
              for language in LANGUAGES}
    assert labels["en"] == ["Name", "Mail address"] and labels["de"][1] == "Mailadresse"
    assert all(all(found) for found in labels.values())


def test_the_details_slide_is_in_no_set():
    with pytest.raises(ValueError, match="details slide"):
        Quiz(outcomes=("slidea",), details="slidea")


@pytest.mark.parametrize(("text", "good"), [
    ("ines@huts.example", True), (" ines@huts.example ", True), ("ö@hütte.example", True),
    ("a.b+c@x.y.z", True), ("ines@", False), ("@huts.example", False), ("ines@huts", False),
    ("ines tarrow@huts.example", False), ("ines@huts.example\nBcc: x@y.example", False),
    ("ines@huts..example", False), ("a@b@huts.example", False), ("", False),
    ("a" * 65 + "@x.y", False), ("<ines@huts.example>", False),
])
def test_what_looks_like_a_mail_address(text, good):
    assert is_mail(text) is good


@given(st.text(max_size=300), st.text(max_size=300))
def test_no_address_brings_a_line_or_a_second_one(before, after):
    assert not is_mail(f"{before}\n{after}@x.example\r\n") or "\n" not in before.strip()
    assert not is_mail(f"{before}@x.example,{after}@y.example")


def test_dates_are_dates():
    field = Input(id="inputa", name="Day", input="date")
    assert admitted(field, "2030-02-28") == "2030-02-28"
    for wrong in ("2030-13-01", "2030-1-1", "30.1.2030", "2030-01-01T00:00", "٢٠٣٠-٠١-٠١", True):
        assert admitted(field, wrong) == ""


def test_a_hidden_field_holds_nobody_up():
    variable = TextVariable(id="textvar1", name="Word")
    field = Input(id="inputa", name="Word", variable="textvar1", required=True, shown=False)
    learner = Learner(course(slide("slidea", field), slide("slideb"), variables=(variable,)))
    assert learner.does("next").slide == "slideb"
    again = Learner(course(slide("slidea", field.model_copy(update={"shown": True})),
                           slide("slideb"), variables=(variable,)))
    assert again.does("next").slide == "slidea"
    assert index_of(course(slide("slidea", field), variables=(variable,))).slides["slidea"].gate
