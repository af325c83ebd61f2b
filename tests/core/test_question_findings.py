"""What the checks say of questions: what gives answers away, what can never be."""

import pytest
from zigzag_core.course import Completion, Nowhere, Overlay, SlideSize, Video, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.editing.adding import add
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.findings.patterns import ENOUGH
from zigzag_core.verification.findings.questions import question_findings

from .making import course
from .samples import fresh_ids, quiz_course, with_slides
from .test_questions import document, slide_with


def codes(slide):
    return {finding.code for finding in question_findings(slide)}


def asked(kind, **changes):
    return document(slide_with(kind), **changes).slides[0]


def quiz(questions, change):
    """A course of single choices, each changed by `change(question, number)`."""
    made = quiz_course(questions)
    slides = []
    for number, slide in enumerate(made.slides):
        changed = tuple(change(one, number) for one in slide.questions)
        slides.append(slide.model_copy(update={"questions": changed}))
    return with_slides(made, slides)


def right_at(place, **more):
    def change(question, number):
        at = place(number) if callable(place) else place
        choices = tuple(c.model_copy(update={"right": n == at})
                        for n, c in enumerate(question.choices))
        return question.model_copy(update={"shuffle": False, "choices": choices, **more})
    return change


def course_codes(made):
    return {finding.code for finding in findings(made)}


@pytest.mark.parametrize(("changes", "found"), [
    ({"penalty": 1}, True), ({"penalty": 1, "floor": -1}, False), ({"floor": -1}, False),
    ({"penalty": 1, "floor": -1, "partial": "per_answer"}, True),
    ({"penalty": 1, "purpose": "practice"}, False),
])
def test_a_penalty_that_is_never_taken_is_found(changes, found):
    assert ("penalty_unused" in codes(asked("multiple_response", **changes))) == found


@pytest.mark.parametrize(("place", "word"), [(0, "first"), (1, "second"), (2, "third")])
def test_a_right_answer_always_in_the_same_place_is_found(place, word):
    made = quiz(ENOUGH, right_at(place))
    [found] = [f for f in findings(made) if f.code == "same_place"]
    assert word in found.message
    assert "same_place" not in course_codes(quiz(ENOUGH - 1, right_at(place)))
    assert "same_place" not in course_codes(quiz(ENOUGH, right_at(lambda n: n % 3)))
    assert "same_place" not in course_codes(quiz(ENOUGH, right_at(place, shuffle=True)))


def test_a_place_that_is_always_the_last_is_found_whatever_its_number():
    made = quiz(ENOUGH, right_at(2))
    slides = list(made.slides)
    question, extra = slides[-1].questions[0], slides[-1].elements[-1]
    extra = extra.model_copy(update={"id": "extraone"})
    fourth = q.Choice(id="fourthone", element=extra.id, right=True)
    slides[-1] = slides[-1].model_copy(update={
        "elements": (*slides[-1].elements, extra),
        "questions": (question.model_copy(update={"choices": (
            *(c.model_copy(update={"right": False}) for c in question.choices), fourth)}),)})
    [found] = [f for f in findings(with_slides(made, slides)) if f.code == "same_place"]
    assert "last" in found.message


def two_by_two(takes=1, only=(), to=("left", "right")):
    question = slide_with("drag_to_target").questions[0]
    one, other = question.items[:2]
    left, right = question.targets[:2]
    names = {"left": left.id, "right": right.id}
    return {
        "items": tuple(item.model_copy(update={"to": (names[at],)})
                       for item, at in zip((one, other), to, strict=True)),
        "targets": (left.model_copy(update={"takes": takes, "only": tuple(
            {"one": one.id, "other": other.id}[n] for n in only)}), right),
    }


@pytest.mark.parametrize(("changes", "found"), [
    ({}, False), ({"only": ("other",)}, True), ({"only": ("one", "other")}, False),
    ({"to": ("left", "left")}, True), ({"to": ("left", "left"), "takes": 2}, False),
    ({"to": ("left", "left"), "takes": None}, False),
])
def test_things_that_cannot_get_where_they_belong_are_found(changes, found):
    assert ("cannot_reach" in codes(asked("drag_to_target", **two_by_two(**changes)))) is found


def test_things_opposite_their_places_give_them_away():
    slide = slide_with("matching")
    question = slide.questions[0]
    assert "order_gives_away" not in codes(slide)
    opposite = tuple(item.model_copy(update={"to": (target.id,)})
                     for item, target in zip(question.items, question.targets, strict=True))
    assert "order_gives_away" in codes(asked("matching", items=opposite))
    # Scattered places are no row, and a second right place leaves a choice.
    places = {t.element: n for n, t in enumerate(question.targets)}
    scattered = asked("matching", items=opposite)
    scattered = scattered.model_copy(update={"elements": tuple(
        e.model_copy(update={"x": e.x - 300 * places[e.id]}) if e.id in places else e
        for e in scattered.elements)})
    assert "order_gives_away" not in codes(scattered)
    several = tuple(i.model_copy(update={"to": tuple(t.id for t in question.targets[:2])})
                    for i in opposite)
    assert "order_gives_away" not in codes(asked("matching", items=several))


WORDS = rich("Well.")


@pytest.mark.parametrize(("kind", "outcome", "changes", "found"), [
    ("single_choice", "partly", {}, True), ("multiple_response", "partly", {}, False),
    ("single_choice", "wrong", {"attempts": 1}, True), ("single_choice", "wrong", {}, False),
    ("single_choice", "last", {"attempts": None}, True), ("single_choice", "last", {}, False),
    ("single_choice", "time_up", {}, True),
    ("single_choice", "time_up", {"time_limit": 600}, False),
    ("single_choice", "nothing", {}, True),
    ("single_choice", "nothing", {"submit_is": "ready"}, False),
    ("single_choice", "answered", {}, True), ("rating_scale", "answered", {}, False),
    ("rating_scale", "right", {}, True), ("open_answer", "wrong", {}, True),
])
def test_words_that_are_never_said_are_found(kind, outcome, changes, found):
    feedback = f.Feedback(**{outcome: WORDS})
    slide = asked(kind, feedback=feedback, **changes)
    assert ("never_said" in codes(slide)) is found
    pictured = f.Feedback(shows=(f.Shown(after=outcome, alt="A bell"),))
    assert ("never_said" in codes(asked(kind, feedback=pictured, **changes))) is found


@pytest.mark.parametrize(("attempts", "found"), [(1, True), (2, False), (None, False)])
def test_a_hint_after_which_no_try_is_left_is_found(attempts, found):
    slide = asked("single_choice", attempts=attempts, feedback=f.Feedback(hints=(WORDS,)))
    assert ("never_said" in codes(slide)) is found


def test_an_overlay_that_is_gone_is_found():
    feedback = f.Feedback(shows=(f.Shown(after="right", overlay="stars"),))
    slide = asked("single_choice", feedback=feedback)
    assert "lost_overlay" in codes(slide)
    stars = Overlay(id="stars", name="Stars")
    assert "lost_overlay" not in codes(slide.model_copy(update={"overlays": (stars,)}))


def passing(made, pass_mark):
    course = made.course.model_copy(update={
        "completion": Completion(passing=True), "pass_mark": pass_mark})
    return made.model_copy(update={"course": course})


def half_without_points(question, number):
    """Points by answer, and no answer has any."""
    return question.model_copy(update={"partial": "per_answer"}) if number > 1 else question


@pytest.mark.parametrize(("change", "pass_mark", "code"), [
    (lambda question, _: question, 100, None),
    (half_without_points, 51, "pass_mark_unreached"),
    (half_without_points, 50, None),
    (lambda question, _: question.model_copy(update={"purpose": "practice"}), 1, "cannot_pass"),
    (lambda question, _: question.model_copy(update={"partial": "per_answer"}), 1,
     "pass_mark_unreached"),
])
def test_a_pass_mark_that_cannot_be_reached_is_found(change, pass_mark, code):
    made = passing(quiz(2, change), pass_mark)
    assert course_codes(made) & {"pass_mark_unreached", "cannot_pass"} == ({code} - {None})


def test_points_of_slides_that_nothing_leads_to_are_not_counted_on():
    made = passing(quiz(2, lambda question, _: question), 60)
    *before, last = made.slides
    cut = [before[0], before[1].model_copy(update={"onward": Nowhere()}), last]
    assert "pass_mark_unreached" in course_codes(with_slides(made, cut))


def test_open_answers_take_nothing_from_the_score():
    made = document(slide_with("open_answer"), purpose="scored", points=5)
    assert "cannot_pass" in course_codes(passing(made, 50))


def test_an_answer_that_says_nothing_to_those_who_cannot_see_it_is_found():
    slide = slide_with("drag_to_target")
    target = slide.questions[0].targets[0].element

    def found(**changes):
        changed = slide.model_copy(update={"elements": tuple(
            e.model_copy(update=changes) if e.id == target else e for e in slide.elements)})
        return [f.element for f in findings(document(changed)) if f.code == "no_alternative"]

    assert found() == [] == found(text=rich(""), alt="The shelf")
    assert found(text=rich("")) == [target]


def with_element(slide, name, **changes):
    return slide.model_copy(update={"elements": tuple(
        e.model_copy(update=changes) if e.id == name else e for e in slide.elements)})


def test_two_same_answers_and_right_answers_only_are_found():
    slide = asked("multiple_response")
    choices = slide.questions[0].choices
    assert not {"all_right", "same_answers"} & codes(slide)
    every = tuple(choice.model_copy(update={"right": True}) for choice in choices)
    assert "all_right" in codes(asked("multiple_response", choices=every))
    assert "all_right" not in codes(asked("multiple_response", choices=(
        *every[1:], every[0].model_copy(update={"right": False}))))
    assert "same_answers" in codes(
        with_element(slide, choices[2].element, text=rich(" a RIGHT answer")))


def test_words_of_a_blank_that_fit_another_or_stand_among_the_wrong_ones_are_found():
    [one, other] = asked("blanks").questions[0].blanks

    def found(words, typos=False, **more):
        accepts = other.accepts.model_copy(update={"words": words, "typos": typos})
        blanks = (one, other.model_copy(update={"accepts": accepts, **more}))
        return codes(asked("blanks", blanks=blanks)) & {"fits_both", "wrong_is_right"}

    assert found(("drying",)) == set() == found(one.accepts.words)
    assert found(("drying", "Boots")) == {"fits_both"}
    assert found(("drying", "boot"), typos=True) == {"fits_both"}
    assert found(("drying",), how="list", others=("wet",)) == set()
    assert found(("drying",), how="list", others=("DRYING",)) == {"wrong_is_right"}


def test_a_place_over_the_controls_of_a_video_is_found():
    slide = slide_with("hotspot")
    question = slide.questions[0]
    spot = question.spots[0].element
    ground = next(e for e in slide.elements if e.id == question.on)
    bottom = ground.y + ground.h

    def found(controls, y):
        video = Video(id=ground.id, name="Video", x=ground.x, y=ground.y, w=ground.w, h=ground.h,
                     controls=controls)
        filmed = slide.model_copy(update={"elements": tuple(
            video if e.id == ground.id else e for e in slide.elements)})
        return "covers_controls" in codes(with_element(filmed, spot, y=y, h=50))

    assert found(True, bottom - 50)
    assert not found(False, bottom - 50) and not found(True, bottom - 120)


def test_sizes_that_show_what_belongs_where_are_found():
    slide = asked("drag_to_target")
    question = slide.questions[0]
    home = {target.id: target.element for target in question.targets}
    sizes = {question.targets[0].element: (200, 80), question.targets[1].element: (300, 90)}
    fitting = slide
    for item in question.items:
        w, h = sizes[home[item.to[0]]] if item.to else (120, 60)
        fitting = with_element(fitting, item.element, w=w, h=h)
    for name, (w, h) in sizes.items():
        fitting = with_element(fitting, name, w=w, h=h)
    assert "size_gives_away" in codes(fitting)
    assert "size_gives_away" not in codes(slide)
    assert "size_gives_away" not in codes(
        with_element(fitting, question.items[0].element, w=250, h=70))


def test_the_longest_answer_as_the_right_one_all_over_a_course_is_found():
    def worded(length, questions=ENOUGH):
        made = quiz(questions, right_at(lambda n: n % 3))
        slides = []
        for slide in made.slides:
            for choice in (c for question in slide.questions for c in question.choices):
                words = "x" * (length if choice.right else 10)
                slide = with_element(slide, choice.element, text=rich(words))
            slides.append(slide)
        return with_slides(made, slides)

    assert "longest_is_right" in course_codes(worded(11))
    assert "longest_is_right" not in course_codes(worded(10))
    assert "longest_is_right" not in course_codes(worded(11, ENOUGH - 1))


def test_too_few_clicks_for_the_places_to_find_are_found():
    spots = tuple(s.model_copy(update={"right": True}) for s in asked("hotspot").questions[0].spots)
    assert "cannot_be_right" in codes(asked("hotspot", spots=spots, clicks=1))
    assert "cannot_be_right" not in codes(asked("hotspot", spots=spots, clicks=2))
    assert "cannot_be_right" not in codes(asked("hotspot", spots=spots, clicks=1, needed=1))


def test_a_row_that_can_never_apply_is_found():
    choices = asked("multiple_response").questions[0].choices
    first = AnswerRow(id="rowfirst", cells={choices[0].id: True}, words=rich("So."))
    narrower = AnswerRow(id="rowsecond", cells={choices[0].id: True, choices[1].id: True},
                         words=rich("Both."))
    assert "row_never_applies" in codes(asked("multiple_response", table=(first, narrower)))
    assert "row_never_applies" not in codes(asked("multiple_response", table=(narrower, first)))


def test_statements_that_are_all_true_are_found():
    def truths(answers):
        fresh, slides = fresh_ids(5), []
        for n, true in enumerate(answers):
            page = blank_slide(f"Truth {n}", fresh)
            page, *_ = add(page, "true_false", fresh, SlideSize())
            one, other = page.questions[0].choices
            choices = (one.model_copy(update={"right": true}),
                       other.model_copy(update={"right": not true}))
            question = page.questions[0].model_copy(update={"choices": choices})
            slides.append(page.model_copy(update={"questions": (question,)}))
        return course_codes(course(*slides))

    assert "same_truth" in truths([True] * ENOUGH) & truths([False] * ENOUGH)
    assert "same_truth" not in truths([True] * (ENOUGH - 1) + [False])


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_a_new_question_brings_no_findings_of_its_own(kind):
    """A hotspot waits for its picture: that is for its author to choose."""
    made = document(slide_with(kind))
    course = made.course.model_copy(update={"styles": USUAL_STYLES})
    found = findings(made.model_copy(update={"course": course}))
    assert [one.code for one in found] == (["no_picture"] if kind == "hotspot" else [])
