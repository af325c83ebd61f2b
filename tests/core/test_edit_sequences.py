"""Any sequence of edits leaves a slide that can be saved, published and answered rightly."""

from contextlib import suppress
from typing import get_args

from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, invariant, rule
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Course, CourseDocument, SlideSize
from zigzag_core.course.document import valid_slide
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.editing.adding import add
from zigzag_core.editing.arranging.groups import group, ungroup
from zigzag_core.editing.copies.copying import clip, duplicate_slide, paste
from zigzag_core.editing.layouts.following import change_layout, known_layouts
from zigzag_core.editing.overlays import with_overlay, without_overlay
from zigzag_core.editing.patterns import Ready, make_pattern
from zigzag_core.editing.questions.converting import converted
from zigzag_core.editing.questions.making import question_from, with_button, with_elements_as_parts
from zigzag_core.editing.questions.parts import with_parts
from zigzag_core.editing.questions.pasted_table import with_table
from zigzag_core.editing.removing import without
from zigzag_core.errors import CannotAsk, CannotMake
from zigzag_core.grading.grade import judge
from zigzag_core.grading.solutions import right_response
from zigzag_core.program import Program
from zigzag_core.verification.findings.questions import question_findings

from .samples import fresh_ids
from .test_questions import UNJUDGED

KINDS = st.sampled_from(QUESTION_KINDS)
LISTS = st.sampled_from(q.PART_LISTS)
PLACES = st.lists(st.integers(0, 99), min_size=1, max_size=6)
CELLS = st.lists(st.sampled_from(["Wood", "Coal", "x", "", "1,5"]), min_size=1, max_size=4)
NUMBER = st.integers(0, 9)
COURSE = Course(id="course", title="C")


class Building(RuleBasedStateMachine):
    """An author who does anything to a slide and its questions, in any order."""

    def __init__(self):
        super().__init__()
        self.fresh = fresh_ids(7)
        self.slide = blank_slide("Ask", self.fresh)

    def does(self, edit):
        """Take what `edit` makes of the slide; what it refuses with a reason changes nothing."""
        with suppress(CannotAsk):
            self.slide = edit(self.slide)

    def some(self, places):
        ids = [element.id for element in self.slide.elements]
        return list(dict.fromkeys(ids[place % len(ids)] for place in places)) if ids else []

    def asked(self, number):
        questions = self.slide.questions
        return questions[number % len(questions)].id if questions else "none"

    @rule(kind=KINDS)
    def add_question(self, kind):
        self.slide, _, _ = add(self.slide, kind, self.fresh, SlideSize())

    @rule(kind=st.sampled_from(["text", "picture", "rectangle", "area", "button", "text_input"]))
    def add_element(self, kind):
        self.slide, _, _ = add(self.slide, kind, self.fresh, SlideSize())

    @rule(places=PLACES)
    def copy(self, places):
        clipping = clip(self.slide, self.some(places))
        self.slide, _ = paste(self.slide, clipping, self.fresh, 10, 10)

    @rule()
    def duplicate(self):
        self.slide = duplicate_slide(self.slide, self.fresh)

    @rule(places=PLACES)
    def delete(self, places):
        self.slide = without(self.slide, self.some(places[:2]))

    @rule(places=PLACES)
    def group_some(self, places):
        ids = self.some(places)
        chosen = [e for e in self.slide.elements if e.id in ids]
        if len(chosen) > 1 and len({(e.group, e.overlay) for e in chosen}) == 1:
            self.slide, _ = group(self.slide, ids, self.fresh)

    @rule(places=PLACES)
    def ungroup_some(self, places):
        self.slide, _ = ungroup(self.slide, self.some(places))

    @rule(places=PLACES, kind=KINDS)
    def ask_with(self, places, kind):
        self.does(lambda slide: question_from(slide, self.some(places), kind, self.fresh)[0])

    @rule(places=PLACES)
    def put_on_overlay(self, places):
        self.slide, _ = with_overlay(self.slide, self.some(places), self.fresh)

    @rule(number=NUMBER)
    def drop_overlay(self, number):
        overlays = [overlay.id for overlay in self.slide.overlays]
        if overlays:
            self.slide = without_overlay(self.slide, overlays[number % len(overlays)])

    @rule(places=st.one_of(st.just([]), PLACES), what=st.sampled_from(get_args(Ready)))
    def make_pattern(self, places, what):
        with suppress(CannotMake):
            self.slide = make_pattern(
                self.slide, what, self.some(places), self.fresh, SlideSize()).slide

    @rule(layout=st.sampled_from([None, *known_layouts(COURSE)]))
    def follow(self, layout):
        self.slide = change_layout(self.slide, layout, COURSE, self.fresh)

    @rule(number=NUMBER, kind=KINDS)
    def convert(self, number, kind):
        self.does(lambda slide: converted(slide, self.asked(number), kind, self.fresh))

    @rule(number=NUMBER, where=LISTS, more=st.sampled_from([1, 2, 20]))
    def more_parts(self, number, where, more):
        self.does(lambda slide: with_parts(
            slide, self.asked(number), where, ["Another"] * more, self.fresh)[0])

    @rule(number=NUMBER, where=LISTS, at=st.sampled_from([0, 0, 1, 5]),
          rows=st.lists(CELLS, min_size=1, max_size=6), times=st.sampled_from([1, 1, 12]))
    def paste_table(self, number, where, at, rows, times):
        self.does(lambda slide: with_table(
            slide, self.asked(number), where, at, rows * times, self.fresh))

    @rule(number=NUMBER, where=st.sampled_from([*q.PART_LISTS, "prompt"]), places=PLACES)
    def join(self, number, where, places):
        self.does(lambda slide: with_elements_as_parts(
            slide, self.asked(number), where, self.some(places), self.fresh))

    @rule(number=NUMBER, what=st.sampled_from(["submit", "reset"]))
    def add_button(self, number, what):
        self.does(lambda slide: with_button(slide, self.asked(number), what, self.fresh)[0])

    @invariant()
    def can_be_saved_and_answered(self):
        slide = valid_slide(self.slide)
        document = CourseDocument(
            course=COURSE.model_copy(update={"slides": (slide.id,)}), slides=(slide,))
        program = compile_course(document, by_digest)
        packaged = program.model_dump_json(exclude_defaults=True)
        assert Program.model_validate_json(packaged) == program
        if any(found.level == "error" or found.code == "cannot_be_right"
               for found in question_findings(slide)):
            return
        for grader, asked in zip(program.questions, slide.questions, strict=True):
            if asked.kind not in UNJUDGED and asked.purpose == "scored":
                assert judge(grader, right_response(grader), 1).result == "right"


TestBuilding = Building.TestCase
TestBuilding.settings = settings(
    max_examples=300, stateful_step_count=15, deadline=None, derandomize=True,
    suppress_health_check=list(HealthCheck))
