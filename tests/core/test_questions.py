"""Questions of every kind: made, answered, judged, recorded, kept, turned into others."""

from dataclasses import replace
from itertools import pairwise, product

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.compiler.questions import grader_of
from zigzag_core.course import Course, CourseDocument, SlideSize, Text, migrated_slide, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow, OtherThan
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.text.numbers import in_digits, number_in
from zigzag_core.editing.adding import add
from zigzag_core.editing.questions.parts import with_parts
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.grading import answer_table as table
from zigzag_core.grading import table_file
from zigzag_core.grading.accepted import accepted, distance
from zigzag_core.grading.grade import judge, row_taken, verdict
from zigzag_core.grading.solutions import answering, right_response, wrong_response
from zigzag_core.grading.tally import measure
from zigzag_core.program import ProgramOverlay
from zigzag_core.tracking import progress, scorm12
from zigzag_core.verification.findings.questions import question_findings

from .samples import fresh_ids

UNJUDGED = {"open_answer", "rating_scale"}
TYPES = {
    "single_choice": "choice", "multiple_response": "choice", "true_false": "true-false",
    "blanks": "fill-in", "short_text": "fill-in", "numeric": "numeric", "matching": "matching",
    "ordering": "sequencing", "drag_to_target": "matching", "hotspot": "performance",
    "open_answer": "fill-in", "rating_scale": "fill-in",
}


def slide_with(kind, seed=1):
    fresh = fresh_ids(seed)
    slide, _, _ = add(blank_slide("Ask", fresh), kind, fresh, SlideSize())
    return slide


def document(slide, **changes):
    if changes:
        changed = slide.questions[0].model_copy(update=changes)
        slide = slide.model_copy(update={"questions": (changed,)})
    return CourseDocument(course=Course(id="course", title="C", slides=(slide.id,)),
                          slides=(slide,))


class Taking:
    """A learner at one question."""

    def __init__(self, doc):
        self.index = Index(compile_course(doc, by_digest))
        self.grader = self.index.program.questions[0]
        self.slide = self.index.program.slides[0]
        self.state, _ = engine.step(self.index, engine.start(self.index, 5), {"event": "start"})
        self.effects = []

    def does(self, event, **more):
        self.state, found = engine.step(self.index, self.state, {"event": event, **more})
        self.effects += found
        return self

    def answers(self, response):
        if self.grader.form == "choose":
            for part, _ in response:
                element = next(e.draw.id for e in self.slide.elements if e.part == part)
                self.does("clicked", target=element)
        else:
            for event in answering(self.grader, response):
                self.does(**event)
        return self

    def takes_back(self):
        """Take back choices and marks; other answers are replaced by later ones."""
        if self.grader.form == "choose":
            return self.answers(self.answer.given) if self.grader.at_most != 1 else self
        for part, where in self.answer.given if self.grader.form == "spots" else ():
            self.does("answered", question=self.grader.id, part=part, value=f"-{where}")
        return self

    def submits(self):
        submit = next(e.draw.id for e in self.slide.elements
                      if e.control == "button" and e.question == self.grader.id)
        return self.does("clicked", target=submit)

    def closes(self):
        for overlay in reversed(self.state.overlays):
            self.does("close", target=overlay)
        return self

    @property
    def answer(self):
        return self.state.answers[self.grader.id]


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_every_kind_is_answered_judged_recorded_and_kept(kind):
    right = Taking(document(slide_with(kind)))
    right.answers(right_response(right.grader)).submits()
    assert right.answer.locked
    assert right.answer.result == ("neutral" if kind in UNJUDGED else "right")
    assert right.answer.points == (0 if kind in UNJUDGED else 1)
    effect = next(e for e in right.effects if e["effect"] == "answered")
    calls = dict(scorm12.interaction_calls(right.index, effect, 0, "09:00:00")[0])
    assert calls["cmi.interactions.0.type"] == TYPES[kind]
    pattern = calls.get("cmi.interactions.0.correct_responses.0.pattern")
    if pattern is not None and kind != "hotspot":
        said = calls["cmi.interactions.0.student_response"].split(",")
        assert sorted(said) == sorted(pattern.split(","))
    back = progress.unpack(right.index, progress.pack(right.index, right.state))
    assert back.answers[right.grader.id].given == right.answer.given
    if kind in UNJUDGED:
        return
    wrong = Taking(document(slide_with(kind)))
    wrong.answers(wrong_response(wrong.grader)).submits()
    assert wrong.answer.result in ("wrong", "partly") and wrong.state.overlays
    assert wrong.answer.locked == (kind == "true_false")
    if kind != "true_false":
        before = wrong.answer
        wrong.closes().submits()
        assert wrong.answer == before, "the same answer again costs nothing"
        wrong.takes_back().answers(right_response(wrong.grader)).submits()
        assert (wrong.answer.result, wrong.answer.attempts) == ("right", 2)
    last = Taking(document(slide_with(kind), attempts=1))
    last.answers(wrong_response(last.grader)).submits()
    assert last.answer.locked and last.state.overlays[-1].endswith(("_last", "_lastpartly"))
    before = last.answer
    last.closes().answers(right_response(last.grader))
    assert last.answer == before, "what is locked stays"


@pytest.mark.parametrize(("partial", "chosen", "points"), [
    ("none", "ab", 4), ("none", "a", 0), ("right_parts", "a", 2), ("right_parts", "ac", 2),
    ("right_parts", "abc", 8 / 3), ("right_parts", "abcd", 2),
    ("right_minus_wrong", "ac", -1), ("right_minus_wrong", "abc", 2), ("per_answer", "ac", 0.5),
])
def test_points_by_parts_penalty_and_floor(partial, chosen, points):
    slide = slide_with("multiple_response")
    question = slide.questions[0].model_copy(update={
        "partial": partial, "points": 4, "penalty": 1 if partial != "none" else 0, "floor": -1,
        "choices": tuple(c.model_copy(update={"points": (1.5, 1.5, -1, -1)[n]})
                         for n, c in enumerate(slide.questions[0].choices)),
    })
    grader = grader_of(slide, question)
    given_ = tuple((grader.parts["abcd".index(letter)].id, "") for letter in chosen)
    assert judge(grader, given_, 1).points == points
    made = judge(grader, given_, 1)
    assert "of 2 right" in verdict(grader, made.result, made.points, made.tally)


def test_ticking_everything_by_right_parts_gives_their_share_of_all_that_was_ticked():
    for kind in ("multiple_response", "hotspot"):
        slide = slide_with(kind)
        question = slide.questions[0].model_copy(update={"partial": "right_parts", "points": 4})
        grader = grader_of(slide, question)
        made = judge(grader, tuple((part.id, "1,1") for part in grader.parts), 1)
        assert made.points == 2


def test_points_of_later_attempts_can_be_given_as_numbers():
    taker = Taking(document(
        slide_with("numeric"), points=5, attempts=None, attempt_points=(3, 1)))
    answers = [wrong_response(taker.grader), ((taker.grader.parts[0].id, "77"),)]
    said = []
    for tries in range(3):
        grader = taker.grader
        right = judge(grader, right_response(grader), tries + 1)
        said.append((right.points, verdict(
            grader, right.result, right.points, right.tally, tries + 1)))
    assert said == [
        (5, "Right: 5 of 5 points"), (3, "Right: 3 of 5 points (attempt 2 gives 60%)"),
        (1, "Right: 1 of 5 points (attempt 3 gives 20%)")]
    for response in (*answers, right_response(taker.grader)):
        taker.answers(response).submits().closes()
    assert (taker.answer.attempts, taker.answer.points) == (3, 1)


def test_how_it_was_judged_fits_the_kind_and_says_what_is_taken_away():
    slide = slide_with("single_choice")
    question = slide.questions[0].model_copy(update={"points": 5})
    grader = grader_of(slide, question)
    made = judge(grader, wrong_response(grader), 1)
    assert verdict(grader, made.result, made.points, made.tally) == "Not right: 0 of 5 points"
    costs = grader_of(slide, question.model_copy(update={"penalty": 1, "floor": -1}))
    made = judge(costs, wrong_response(costs), 1)
    assert verdict(costs, made.result, made.points, made.tally) == "Not right: 1 point taken away"


def test_wrong_drops_that_go_back_count_where_they_are_to():
    def dropped_wrong(count):
        taker = Taking(document(
            slide_with("drag_to_target"), wrong_items="return_at_once", drops_count=count,
            partial="right_minus_wrong", points=3))
        item = taker.grader.parts[0]
        other = next(t.id for t in taker.grader.targets if t.id not in item.right)
        for _ in range(2):
            taker.does("answered", question=taker.grader.id, part=item.id, value=other)
        assert [e["text"] for e in taker.effects] == ["It does not belong there and goes back."] * 2
        taker.answers(right_response(taker.grader))
        back = progress.unpack(taker.index, progress.pack(taker.index, taker.state))
        assert back.answers == taker.state.answers, "wrong drops are remembered"
        return taker.submits()

    assert dropped_wrong(count=False).answer.result == "right"
    slipped = dropped_wrong(count=True)
    assert (slipped.answer.result, slipped.answer.points) == ("partly", 1)
    assert slipped.answer.given == (), "the next attempt begins anew"
    slipped.closes().answers(right_response(slipped.grader)).submits()
    assert (slipped.answer.result, slipped.answer.points) == ("right", 3)


def leaving(kind="single_choice", **changes):
    """A learner at a question that is judged on leaving, with a slide after it."""
    first = slide_with(kind)
    first = first.model_copy(update={"questions": (
        first.questions[0].model_copy(update={"judged": "leaving", **changes}),)})
    second = blank_slide("After", fresh_ids(9))
    return Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(first.id, second.id)),
        slides=(first, second)))


def test_what_is_judged_on_leaving_is_said_before_the_slide_goes():
    taker = leaving()
    here, after = taker.index.order
    taker.answers(wrong_response(taker.grader)).does("next")
    assert taker.state.slide == here and taker.state.overlays == (f"{taker.grader.id}_wrong",)
    taker.closes()
    assert taker.state.slide == after and taker.answer.attempts == 1
    taker.does("previous").does("next")
    assert taker.state.slide == after and taker.answer.attempts == 1, "the same costs nothing"
    taker.does("previous").answers(right_response(taker.grader)).does("next")
    assert taker.state.overlays == (f"{taker.grader.id}_right",)
    taker.closes()
    assert taker.state.slide == after and taker.answer.result == "right"


def test_an_overlay_that_was_open_before_does_not_hold_up_who_leaves():
    taker = leaving("open_answer", feedback=q.QuestionBase.model_fields["feedback"].default)
    overlay = next(iter(taker.slide.overlays), None)
    assert overlay is None, "nothing is said to such an answer"
    beside = ProgramOverlay(id="beside", title="Beside", panel=False, blocks=False)
    slides = (taker.slide.model_copy(update={"overlays": (beside,)}),
              *taker.index.program.slides[1:])
    taker.index = Index(taker.index.program.model_copy(update={"slides": slides}))
    taker.state = replace(taker.state, overlays=("beside",))
    taker.answers(right_response(taker.grader)).does("next")
    assert taker.state.slide == taker.index.order[1] and taker.answer.result == "neutral"


def test_who_tries_again_after_leaving_was_judged_stays():
    taker = leaving()
    here, after = taker.index.order
    taker.answers(wrong_response(taker.grader)).does("next")
    panel = next(o for o in taker.slide.overlays if o.id == taker.state.overlays[0])
    again, on = [e.draw.id for e in panel.elements if e.control == "button"]
    stayed = Taking.__new__(Taking)
    stayed.__dict__ = dict(taker.__dict__)
    stayed.does("clicked", target=again)
    assert stayed.state.slide == here and not stayed.state.overlays
    taker.does("clicked", target=on)
    assert taker.state.slide == after


def test_the_end_of_the_course_judges_what_is_judged_on_leaving():
    taker = leaving("open_answer", feedback=q.QuestionBase.model_fields["feedback"].default)
    taker.answers(right_response(taker.grader)).does("leave")
    assert taker.answer.result == "neutral" and taker.state.ended, "nothing is said: it goes on"


def test_attempts_cost_and_time_ends_it():
    taker = Taking(document(slide_with("numeric"), attempt_loss=0.25, points=4, attempts=None))
    taker.answers(wrong_response(taker.grader)).submits().closes()
    taker.answers(right_response(taker.grader)).submits()
    assert taker.answer.points == 3 and taker.answer.attempts == 2
    late = Taking(document(slide_with("numeric"), time_limit=30))
    late.does("tick", ms=30_500)
    assert late.answer.locked and late.state.overlays == (f"{late.grader.id}_time_up",)


@pytest.mark.parametrize("kind", ["numeric", "ordering"])
def test_time_that_is_up_leaves_no_other_try_open(kind):
    taker = Taking(document(slide_with(kind), time_limit=30, attempts=None))
    taker.answers(wrong_response(taker.grader)).submits()
    assert taker.state.overlays == (f"{taker.grader.id}_wrong",)
    taker.does("tick", ms=30_500)
    assert taker.state.overlays == (f"{taker.grader.id}_time_up",)
    taker.closes()
    assert taker.answer.locked and not taker.state.overlays


@pytest.mark.parametrize("kind", sorted(UNJUDGED))
def test_what_is_not_judged_says_as_well_that_time_is_up(kind):
    taker = Taking(document(slide_with(kind), time_limit=30)).does("tick", ms=30_500)
    assert taker.state.overlays == (f"{taker.grader.id}_time_up",) and taker.answer.locked


def test_judged_at_once_on_leaving_and_forgotten():
    once = Taking(document(slide_with("single_choice"), judged="at_once"))
    once.answers(right_response(once.grader))
    assert once.answer.locked
    forgets = Taking(document(slide_with("short_text"), keeps=False))
    forgets.does("answered", question=forgets.grader.id, part=forgets.grader.parts[0].id,
                 value="boots")
    assert forgets.answer.given


ACCEPTS = q.Accepts(words=("drying room",), typos=True)


@pytest.mark.parametrize(("accepts", "text", "right"), [
    (ACCEPTS, "Drying  Room!", True), (ACCEPTS, "dryng room", True), (ACCEPTS, "drnyig room", True),
    (ACCEPTS, "dining hall", False), (ACCEPTS, "", False),
    (q.Accepts(words=("Zoë",), any_accents=False), "Zoe", False),
    (q.Accepts(words=("Zoë",)), "zoe", True),
    (q.Accepts(words=("AB",), any_case=False), "ab", False),
    (q.Accepts(words=("a b",), any_spaces=False), "ab", False),
    (q.Accepts(words=("a-b",), any_punctuation=False), "ab", False),
    (q.Accepts(words=("cat",), typos=True), "cta", False),
    (q.Accepts(ranges=(q.NumberRange(low=1.4, high=1.6),), units=("kg",)), "1,5 KG", True),
    (q.Accepts(ranges=(q.NumberRange(low=1.4, high=1.6),)), "1.5 kg", False),
])
def test_words_and_numbers_are_accepted_as_said(accepts, text, right):
    assert accepted(accepts, text) is right


@given(st.text("abc", max_size=6), st.text("abc", max_size=6))
def test_distance_is_that_of_a_plain_search(a, b):
    """Against a search over all edits, with the same rule for swaps."""
    from functools import cache

    @cache
    def far(i, j):
        if not i or not j:
            return i + j
        best = min(far(i - 1, j) + 1, far(i, j - 1) + 1, far(i - 1, j - 1) + (a[i - 1] != b[j - 1]))
        if i > 1 and j > 1 and a[i - 1] == b[j - 2] and a[i - 2] == b[j - 1]:
            best = min(best, far(i - 2, j - 2) + 1)
        return best

    assert distance(a, b, 20) == far(len(a), len(b))


@given(st.floats(-1e9, 1e9).map(lambda n: round(n, 4)))
def test_numbers_are_read_with_comma_and_point(number):
    assert number_in(f"{number:.4f}") == number == number_in(f" {number:.4f} ".replace(".", ","))


@given(st.floats(-1e15, 1e15) | st.integers(-10**15, 10**15).map(float))
@example(1e-12)
def test_numbers_are_written_with_all_their_digits(number):
    said = in_digits(number)
    assert float(said) == number and "e" not in said
    if len(said.partition(".")[2]) <= 20:
        assert number_in(said) == number


@settings(max_examples=60)
@given(st.permutations(range(5)), st.sampled_from(["all", "pairs", "run"]))
def test_orders_are_counted_as_said(order, counts):
    slide = slide_with("ordering")
    grown, _ = with_parts(slide, slide.questions[0].id, "items", ["Fifth"], fresh_ids(4))
    question = grown.questions[0].model_copy(update={"counts": counts})
    grader = grader_of(grown, question)
    tally = measure(grader, tuple((grader.parts[n].id, "") for n in order))
    runs = [1]
    for a, b in pairwise(order):
        runs = [*runs, 1] if b != a + 1 else [*runs[:-1], runs[-1] + 1]
    expected = {
        "all": sum(n == place for place, n in enumerate(order)),
        "pairs": sum(length - 1 for length in runs), "run": max(runs) if max(runs) > 1 else 0,
    }[counts]
    assert tally.right == expected and tally.complete == (list(order) == [0, 1, 2, 3, 4])


@settings(max_examples=80)
@given(st.lists(st.tuples(st.integers(0, 3), st.integers(0, 1)), max_size=8))
def test_targets_never_hold_more_than_they_take(moves):
    slide = slide_with("drag_to_target")
    question = slide.questions[0]
    limited = tuple(t.model_copy(update={"takes": n + 1}) for n, t in enumerate(question.targets))
    taker = Taking(document(slide, targets=limited))
    for item, target in moves:
        taker.does("answered", question=taker.grader.id, part=taker.grader.parts[item].id,
                   value=taker.grader.targets[target].id)
        on = [t for _, t in taker.answer.given]
        assert all(on.count(t.id) <= t.takes for t in taker.grader.targets)
        assert len({part for part, _ in taker.answer.given}) == len(taker.answer.given)


def test_an_answer_table_takes_the_first_row_that_fits_and_gives_its_points():
    slide = slide_with("multiple_response")
    a, b, *_ = (choice.id for choice in slide.questions[0].choices)
    rows = (
        AnswerRow(id="rowa", cells={a: True, b: False}, points=0.5,
                    words=rich("Half of it.")),
        AnswerRow(id="rowb", at_least=3, words=rich("Not so many.")),
    )
    taker = Taking(document(slide, table=rows))
    taker.answers(((a, ""),)).submits()
    assert (taker.answer.row, taker.answer.points) == (1, 0.5)
    panel = next(o for o in taker.slide.overlays if o.id == taker.state.overlays[-1])
    assert [e.row_of for e in panel.elements if isinstance(e.draw, Text)] == [taker.grader.id]
    assert taker.grader.rows[0].words == rich("Half of it.")


PARTS = ("parta", "partb", "partc")
cells = st.lists(st.tuples(st.sampled_from(PARTS), st.booleans()), max_size=3,
                 unique_by=lambda pair: pair[0])
tables = st.lists(st.tuples(cells, st.integers(0, 3)), max_size=5).map(lambda rows: tuple(
    AnswerRow(id=f"row{n}", at_least=least, words=rich("said, it is"), points=n,
                cells=dict(row))
    for n, (row, least) in enumerate(rows)))


@given(tables)
def test_what_a_table_covers_is_what_it_takes(rows):
    taken = set()
    covered = table.coverage(PARTS, rows)
    for chosen in product((True, False), repeat=3):
        given_ = frozenset(p for p, on in zip(PARTS, chosen, strict=True) if on)
        fits = [n for n, row in enumerate(rows, 1) if len(given_) >= row.at_least
                and all((part in given_) == cell for part, cell in row.cells.items())]
        assert table.row_for(rows, given_) == (fits[0] if fits else 0)
        assert (given_ in covered.uncovered) == (bool(given_) and not fits)
        taken |= set(fits[:1])
    assert set(covered.unreachable) == set(range(1, len(rows) + 1)) - taken
    if rows:
        named = [(part, part) for part in PARTS]
        text = table_file.to_csv(named, rows)
        assert table_file.from_csv(text, named, rows, fresh_ids(3)).table == tuple(rows)


def test_all_rows_of_twelve_answers_and_not_of_thirteen():
    assert len(table.all_rows([f"part{n}" for n in range(12)], fresh_ids(1))) == 4_096
    with pytest.raises(table.BadTable):
        table.all_rows([f"part{n}" for n in range(13)], fresh_ids(1))


@pytest.mark.parametrize(("kind", "changes", "code"), [
    ("single_choice", {"choices": ()}, "few_choices"),
    ("numeric", {"accepts": q.Accepts()}, "no_right_answer"),
    ("blanks", {"blanks": ()}, "few_choices"),
    ("matching", {"targets": (), "items": ()}, "few_choices"),
    ("hotspot", {"clicks": 1, "needed": None}, None),
    ("single_choice", {"submit": None}, "no_submit"),
    ("single_choice", {"time_limit": 1}, "too_little_time"),
    ("single_choice", {"after": "again"}, "again_nowhere"),
])
def test_faulty_questions_are_found(kind, changes, code):
    slide = document(slide_with(kind), **changes).slides[0]
    codes = {finding.code for finding in question_findings(slide)}
    assert codes == set() if code is None else code in codes


@pytest.mark.parametrize(("near", "fits", "not_"), [
    (q.Near(value=0.3, off=0.1), ["0.2", "0,4"], ["0.19", "0.41"]),
    (q.Near(value=200, off=5, per_cent=True), ["190", "210"], ["189.9", "211"]),
    (q.Near(value=-8, off=25, per_cent=True), ["-10", "-6"], ["-5.9", "8"]),
    (q.Near(value=7), ["7", "7.0"], ["7.01"]),
])
def test_numbers_near_a_value_are_accepted(near, fits, not_):
    taker = Taking(document(slide_with("numeric"), accepts=q.Accepts(near=(near,), ranges=())))
    accepts = taker.grader.parts[0].accepts
    assert all(accepted(accepts, text) for text in fits)
    assert not any(accepted(accepts, text) for text in not_)


@pytest.mark.parametrize(("floor", "chosen", "points"), [
    (0, (2, 3), 0), (-10, (2, 3), -4), (-3, (2, 3), -3), (-10, (0, 2), 0), (-10, (0, 1, 2), 2),
])
def test_right_minus_wrong_goes_down_to_the_floor(floor, chosen, points):
    slide = slide_with("multiple_response")
    grader = grader_of(slide, slide.questions[0].model_copy(update={
        "points": 4, "partial": "right_minus_wrong", "floor": floor}))
    given_ = tuple((grader.parts[n].id, "") for n in chosen)
    assert judge(grader, given_, 1).points == points


def test_parts_of_every_kind_have_points_of_their_own():
    for kind, parts in (("drag_to_target", "items"), ("hotspot", "spots"), ("blanks", "blanks")):
        slide = slide_with(kind)
        asked = slide.questions[0]
        worth = tuple(p.model_copy(update={"points": n + 1})
                      for n, p in enumerate(getattr(asked, parts)))
        grader = grader_of(slide, asked.model_copy(update={
            parts: worth, "partial": "per_answer", "points": 10}))
        right = right_response(grader)
        # What belongs nowhere is right where it is left.
        wanted = {"drag_to_target": 1 + 2 + 3 + 4, "hotspot": 1, "blanks": 1 + 2}[kind]
        assert judge(grader, right, 1).points == wanted


@given(st.data())
def test_a_row_is_taken_just_where_its_cells_hold(data):
    slide = slide_with("drag_to_target")
    asked = slide.questions[0]
    items, targets = [i.id for i in asked.items], [t.id for t in asked.targets]
    cell = st.booleans() | st.sampled_from(targets) | st.sampled_from(targets).map(
        lambda t: OtherThan(value=t))
    rows = data.draw(st.lists(st.dictionaries(st.sampled_from(items), cell, max_size=3),
                              max_size=4))
    given_ = data.draw(st.dictionaries(st.sampled_from(items), st.sampled_from(targets)))
    grader = grader_of(slide, asked.model_copy(update={"table": tuple(
        AnswerRow(id=f"row{n}", cells=cells) for n, cells in enumerate(rows))}))

    def holds(cells):
        for part, wanted in cells.items():
            there = given_.get(part)
            if isinstance(wanted, bool):
                if (there is not None) != wanted:
                    return False
            elif isinstance(wanted, OtherThan):
                if there == wanted.value:
                    return False
            elif there != wanted:
                return False
        return True

    wanted = next((n for n, cells in enumerate(rows, 1) if holds(cells)), 0)
    assert row_taken(grader, tuple(given_.items())) == wanted


def test_cells_of_older_formats_are_read():
    cells = [
        {"part": "parta"}, {"part": "partb", "given": False},
        {"part": "partc", "value": "x"}, {"part": "partd", "given": False, "value": "y"}]
    raised = migrated_slide({"questions": [{"table": [{"id": "therow", "cells": cells}]}]}, 5)
    row = AnswerRow.model_validate(raised["questions"][0]["table"][0])
    assert row.cells == {"parta": True, "partb": False, "partc": "x",
                         "partd": OtherThan(value="y")}
    assert migrated_slide(raised) == raised, "a slide of unknown age may be raised already"


@pytest.mark.parametrize("odd", [
    {}, {"questions": None}, {"questions": [1]}, {"questions": [{"table": [None]}]},
    {"questions": [{"table": [{"cells": ["x", {"given": True}]}]}]},
])
def test_what_is_no_slide_is_left_to_the_models(odd):
    migrated_slide(odd)
