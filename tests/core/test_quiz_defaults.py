"""Questions that follow the defaults of their quiz."""

from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.compiler.compile import compile_course
from zigzag_core.course import CourseDocument, SlideSize, plain, rich
from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions.feedback import Shown, ShownAlong
from zigzag_core.course.questions.following import following_defaults, with_defaults
from zigzag_core.course.questions.settings import SETTINGS, QuestionDefaults
from zigzag_core.editing.adding import add
from zigzag_core.editing.quizzes.clearing import with_clear_buttons
from zigzag_core.editing.quizzes.making import plant_questions
from zigzag_core.editing.quizzes.reading import read_questions
from zigzag_core.editing.search import find, replace
from zigzag_core.packaging.incremental import Compilation
from zigzag_core.verification.findings.document import findings

from .making import slide
from .quiz_course import following, keys_course
from .samples import fresh_ids


def SOURCE(file):
    return file.sha256

DEFAULTS = QuestionDefaults(
    points=3, penalty=1, floor=-1, unanswered=2, attempts=4, attempt_loss=0.5, time_limit=90,
    partial="right_parts", required=True, show_right=True, right=rich("Well seen."), place="over",
    tells=True, shows=(ShownAlong(after="right", picture="bellpic", sound="bell"),),
    submit_label="Check", reset_label="Once more")


def test_a_new_question_follows_all_but_what_suits_its_kind():
    made, _, _ = add(slide(), "single_choice", fresh_ids(1), SlideSize())
    [question] = with_defaults(made, DEFAULTS).questions
    assert (question.points, question.penalty, question.floor) == (3, 1, -1)
    assert (question.attempts, question.attempt_loss, question.time_limit) == (4, 0.5, 90)
    assert (question.required, question.show_right, question.unanswered) == (True, True, 2)
    assert plain(question.feedback.right) == "Well seen."
    assert (question.feedback.place, question.feedback.tells) == ("over", True)
    assert question.feedback.shows == (Shown(after="right", picture="bellpic", sound="bell"),)
    # An empty default leaves the question its own words.
    assert question.feedback.last == made.questions[0].feedback.last
    truth, _, _ = add(slide("slidetwo"), "true_false", fresh_ids(2), SlideSize())
    assert with_defaults(truth, DEFAULTS).questions[0].attempts == 1


def test_the_words_on_the_buttons_follow_too():
    made, _, _ = add(slide(), "single_choice", fresh_ids(1), SlideSize())
    shown = with_defaults(made, DEFAULTS)
    submit = next(e for e in shown.elements if e.id == shown.questions[0].submit)
    assert submit.label == "Check"


@given(follows=st.sets(st.sampled_from(SETTINGS)))
def test_what_is_not_followed_stays_and_following_twice_changes_nothing(follows):
    made, _, _ = add(slide(), "multiple_response", fresh_ids(1), SlideSize())
    [raw] = made.questions
    own = made.model_copy(update={
        "questions": (raw.model_copy(update={"follows": tuple(follows)}),)})
    once = with_defaults(own, DEFAULTS)
    assert with_defaults(once, DEFAULTS) == once
    [question] = once.questions
    for setting in ("points", "attempts", "shuffle", "required"):
        source = DEFAULTS if setting in follows else raw
        assert getattr(question, setting) == getattr(source, setting)
    assert plain(question.feedback.right) == (
        "Well seen." if "right" in follows else plain(raw.feedback.right))


def test_a_course_is_compiled_with_its_defaults_whole_and_slide_by_slide():
    document = following(keys_course(defaults=DEFAULTS), *SETTINGS)
    program = compile_course(document, SOURCE)
    inside = {one for each in document.course.sections[0].quiz.sets for one in each.slides}
    assert {g.points for g in program.questions if g.slide in inside} == {3}
    texts = [one.model_dump_json() for one in document.slides]
    first = Compilation(document.course, texts)
    first.run(SOURCE)
    again = Compilation(document.course, texts, first.fresh)
    assert again.stale == 0
    # Another default is another program, though no slide has changed.
    changed = _with(document, DEFAULTS.model_copy(update={"points": 5}))
    after = Compilation(changed.course, texts, first.fresh)
    assert after.stale > 0
    assert '"points":5' in after.run(SOURCE).program


def test_outside_of_a_quiz_a_question_is_as_it_was_made():
    document = following(keys_course(defaults=DEFAULTS), *SETTINGS)
    first = following_defaults(document).slides[0]
    assert first == document.slides[0]
    without = _with(document, None)
    assert following_defaults(without) is without


def test_findings_are_those_of_what_the_questions_come_to():
    short = DEFAULTS.model_copy(update={"time_limit": 1})
    document = following(keys_course(defaults=short), *SETTINGS)
    assert "too_little_time" in {one.code for one in findings(document)}


def test_questions_that_are_written_follow_in_what_was_not_written():
    document = keys_course(defaults=DEFAULTS)
    text = ("Is the ridge open?\n- [x] yes\n- [ ] no\nPoints: 7\n\n"
            "Where is the key?\n- [x] hook\n- [ ] stove\n- [ ] bench\n")
    planted = plant_questions(
        document.course, read_questions(text), None, fresh_ids(3), "secquiz")
    one, other = (made.questions[0] for made in planted.slides)
    assert (one.points, other.points) == (7, 3)
    assert "points" not in one.follows and "points" in other.follows
    assert other.time_limit == 90


def _with(document: CourseDocument, defaults: QuestionDefaults | None) -> CourseDocument:
    [section] = document.course.sections
    quiz = section.quiz.model_copy(update={"defaults": defaults})
    return document.model_copy(update={"course": document.course.model_copy(update={
        "sections": (section.model_copy(update={"quiz": quiz}),)})})


def test_words_of_defaults_are_found_once_and_replaced_on_the_buttons_too():
    document = _with(following(keys_course(), "right", "submit_label"), DEFAULTS)
    buttons = {q.submit for s in document.slides for q in s.questions}

    def labels(course):
        return {e.label for s in course.slides for e in s.elements if e.id in buttons}

    seen, check = (find(document, "texts", words) for words in ("Well seen", "Check"))
    assert [one.spot.slide for one in seen] == [None] == [one.spot.slide for one in check]
    assert find(document, "texts", plain(document.slides[2].questions[0].feedback.right)) == ()
    after = replace(document, "texts", "Check", "Tell me")
    assert labels(after) == {"Tell me"} and find(after, "texts", "Check") == ()
    said = replace(after, "texts", "seen", "done")
    assert plain(said.course.sections[0].quiz.defaults.right) == "Well done."
    bands = replace(said, "texts", said.course.sections[0].quiz.sets[0].name, "Other")
    assert bands.course.sections[0].quiz.sets[0].name == "Other"


def test_clear_buttons_come_to_all_that_have_none_in_one_step():
    document = _with(following(keys_course(), "reset_label"), DEFAULTS)
    made = list(with_clear_buttons(document.course, document.slides, fresh_ids(7)))
    assert made and {s.id for s in made} == {s.id for s in document.slides if s.questions}
    for each in made:
        valid_slide(each)
        for question in each.questions:
            button = next(e for e in each.elements if e.id == question.reset)
            assert button.label == "Once more"
    assert list(with_clear_buttons(document.course, made, fresh_ids(8))) == []
