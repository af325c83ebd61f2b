"""Questions from plain text, tables and CSV, and the slides that are made of them."""

import csv
import io
import json
from itertools import count
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import plain
from zigzag_core.course.document import Section
from zigzag_core.course.elements.geometry import box_of
from zigzag_core.course.quizzes import QuestionSet, Quiz
from zigzag_core.editing.quizzes.making import plant_questions
from zigzag_core.editing.quizzes.reading import read_questions
from zigzag_core.editing.quizzes.written import Misread, Written
from zigzag_core.errors import TooLong
from zigzag_core.grading.grade import judge
from zigzag_core.grading.solutions import right_response
from zigzag_core.verification.findings.document import findings

from .quiz_course import WEATHER, keys_course
from .samples import index_of, quiz_course

DOCUMENTED = Path(__file__).parents[2] / "docs" / "questions.md"

PLAIN = """\
What do guests take off first?
- [x] Their boots
- [ ] Their hats
Points: 2
Level: hard
Tags: door, boots
Feedback when right: Mud stays outside.

Which of these belong on the stove?

- [x] Dry wood
- [ ] Wet gloves
- [x] The kettle

The stove burns all night.
Answer: false

Wet __boots|shoes__ go into the __drying__ room.

What is the room with the lines called?
Answer: drying room | the drying room

How many beds has the upper room?
Answer: 12 ± 1

What belongs where?
- Ash = the bucket
- Wood = the box
- Keys = the hook

What comes first?
1. Knock
2. Listen
3. Open
Set: Guests

What would you do at night?
Answer: free
"""

KINDS = ["single_choice", "multiple_response", "true_false", "blanks", "short_text", "numeric",
         "matching", "ordering", "open_answer"]


def ids():
    numbers = count()
    return lambda: f"made{next(numbers)}"


def written_in(text):
    found = read_questions(text)
    assert not [one for one in found if isinstance(one, Misread)], found
    return found


def slides_of(text, **where):
    return plant_questions(quiz_course(0).course, written_in(text), None, ids(), **where).slides


def test_plain_text_is_understood():
    found = written_in(PLAIN)
    assert [one.kind for one in found] == KINDS
    first = found[0]
    assert (first.line, first.points, first.level, first.tags) == (1, 2, "hard", ("door", "boots"))
    assert first.said_right == "Mud stays outside."
    assert found[5].number == (12, 1) and found[7].set == "Guests"


def test_every_question_can_be_answered_right():
    document = quiz_course(0)
    planted = plant_questions(document.course, written_in(PLAIN), None, ids())
    whole = document.model_copy(update={
        "course": planted.course, "slides": (*document.slides, *planted.slides)})
    questions = index_of(whole).program.questions
    assert [q.kind for q in questions] == KINDS
    for question in questions[:-1]:
        assert judge(question, right_response(question), 1, 0).result == "right", question.kind
    assert questions[0].points == 2 and planted.slides[0].level == "hard"
    title = planted.slides[0].elements[0]
    assert planted.slides[0].title == "What do guests take off first?"
    assert [run.of for run in title.text.blocks[0].runs if run.kind == "value"] == [
        "question_number", "question_count"]


def test_what_is_written_keeps_to_the_slide():
    many = "What fits?\n" + "\n".join(
        f"- [{'x' if n == 3 else ' '}] Answer {n} " + "with words " * 20 for n in range(26))
    pairs = "What fits?\n" + "\n".join(f"- Item {n} = Partner {n}" for n in range(30))
    for slide in slides_of(f"{many}\n\n{pairs}\n\n{PLAIN}"):
        boxes = [box_of(e) for e in slide.elements]
        assert all(box.x >= 0 and box.y >= 0 and box.right <= 1280 and box.bottom <= 720
                   for box in boxes), slide.title
        answers = [box_of(e) for e in slide.elements
                   if e.name.startswith(("Answer", "Item", "Partner", "Step", "Submit"))]
        assert not any(one.touches(other) for at, one in enumerate(answers)
                       for other in answers[at + 1:]), slide.title


@pytest.mark.parametrize("mark", [",", ";", "\t"])
def test_a_table_says_the_same(mark):
    out = io.StringIO()
    rows = csv.writer(out, delimiter=mark)
    rows.writerow(["Kind", "Question", "Right", "Wrong", "Points", "Level", "Tags", "Set"])
    rows.writerow(["", "What, at the door,\ncomes off first?", "Boots", "Hats|Scarves", "2",
                   "hard", "door, boots", "Guests"])
    rows.writerow(["ordering", "What comes first?", "Knock|Listen|Open", "", "", "", "", ""])
    rows.writerow(["", "It burns all night.", "no", "", "", "", "", ""])
    rows.writerow(["matching", "What belongs where?", "Ash = bucket|Wood = box", "", "", "", "",
                   ""])
    first, second, third, fourth = written_in("\ufeff" + out.getvalue())
    assert first.answers == (("Boots", True), ("Hats", False), ("Scarves", False))
    assert (first.line, second.line) == (2, 4)
    assert (first.kind, first.points, first.set) == ("single_choice", 2, "Guests")
    assert [one.kind for one in (second, third, fourth)] == ["ordering", "true_false", "matching"]


@pytest.mark.parametrize(("text", "line", "why"), [
    ("A question alone", 1, "no answer"),
    ("Which?\n- [ ] One\n- [ ] Two", 1, "No answer is marked"),
    ("Which?\n- [x] One", 1, "two answers or more"),
    ("Which?\n- [y] One\n- [x] Two", 1, "line 2"),
    ("Which?\n- [x] One\n- [ ] Two\nand more", 1, "Line 4 is neither"),
    ("\n\nWhich?\n- [x] One\n- [ ] Two\nPoints: many", 3, "Points are a number"),
    ("Which?\n- [x] One\n- [ ] Two\nLevel: odd", 1, "easy, medium, hard"),
    ("Which?\nKind: puzzle\nAnswer: 1", 1, "no kind of question “puzzle”"),
    ("Which?\nKind: single choice\n- [x] One\n- [x] Two", 1, "one right answer"),
    ("What?\nKind: numeric\nAnswer: about ten", 1, "no number"),
    ("What?\n- One = same\n- Two = same", 1, "same partner"),
    ("x" * 2_001 + "\nAnswer: 1", 1, "2,000 characters"),
    ("Which?\n" + "\n".join(["- [x] Yes"] * 27), 1, "26 answers at most"),
    ("question\tright\tcolour\nWhat?\tOne\tred", 1, "no such columns"),
    ('question,right\n"never closed', 2, "no answer"),
    ("5 single choice, 2 riddles", 1, "riddles"),
    ("What?\nKind: hotspot\nAnswer: 1", 1, "cannot be written as text"),
    ("What?\nKind: numeric\nAnswer: 1e16", 1, "no number"),
    ("It is __" + "x" * 501 + "__.", 1, "500 characters"),
    ("What?\nAnswer: " + "|".join(f"w{n}" for n in range(101)), 1, "At most 100 answers"),
    ("What?\nAnswer: yes\nSet: " + "x" * 201, 1, "200 characters"),
    ("What?\nAnswer: yes\nFeedback when right: " + "x" * 2_001, 1, "2,000 characters"),
    ("What?\nAnswer: yes\nTags: " + ",".join(map(str, range(21))), 1, "20 tags"),
])
def test_what_is_no_question_is_named_with_its_line(text, line, why):
    misread = next(one for one in read_questions(text) if isinstance(one, Misread))
    assert misread.line == line and why in misread.why


def test_too_much_at_once_is_refused():
    with pytest.raises(TooLong, match="500,000"):
        read_questions("x" * 500_001)
    with pytest.raises(TooLong, match="501 questions"):
        read_questions("What?\nAnswer: 1\n\n" * 501)


def test_so_many_of_each_kind():
    slides = slides_of("5 single choice, 3 true or false; 2 x hotspot")
    assert [slide.questions[0].kind for slide in slides] == [
        *["single_choice"] * 5, *["true_false"] * 3, *["hotspot"] * 2]


def test_they_come_into_the_sets_of_a_quiz():
    document = keys_course()
    text = ("Is it late?\nAnswer: true\nSet: fire\n\nIs it cold?\nAnswer: true\nSet: Snow\n\n"
            "Is it wet?\nAnswer: true")
    planted = plant_questions(document.course, written_in(text), None, ids(), "secquiz")
    sets = planted.course.sections[0].quiz.sets
    names = [slide.id for slide in planted.slides]
    assert [one.name for one in sets] == ["Weather", "Fire", "Guests", "Snow"]
    assert [sets[n].slides[-1] for n in (1, 3, 2)] == names
    assert len(sets[0].slides) == len(WEATHER)
    # Before what closes the quiz, which comes to everybody.
    assert planted.course.slides[-1] == document.course.slides[-1]
    assert planted.course.slides[-4:-1] == tuple(names)


def test_a_quiz_without_slides_begins_with_them():
    document = quiz_course(1)
    course = document.course.model_copy(update={"sections": (
        Section(id="secquiz", title="Quiz", before=None, quiz=Quiz()),)})
    planted = plant_questions(course, written_in(PLAIN), None, ids(), "secquiz")
    assert planted.course.sections[0].before == planted.slides[0].id
    assert [len(one.slides) for one in planted.course.sections[0].quiz.sets] == [8, 1]


def test_nothing_is_odd_about_what_was_made():
    document = quiz_course(0)
    planted = plant_questions(document.course, written_in(PLAIN), None, ids())
    whole = document.model_copy(update={
        "course": planted.course, "slides": (*document.slides, *planted.slides)})
    made = {slide.id for slide in planted.slides}
    assert not [finding for finding in findings(whole)
                if finding.severity == "error" and finding.place.slide in made]


@given(st.text(alphabet=st.sampled_from(
    list("-[x] =_|:\n\t,;\"1.±Answer Set")) | st.characters(exclude_categories=["Cs"]),
    max_size=300))
def test_any_text_is_read_without_an_error(text):
    for one in read_questions(text):
        assert isinstance(one, Written | Misread) and one.line >= 1
        if isinstance(one, Written):
            slide, = plant_questions(quiz_course(0).course, [one], None, ids()).slides
            json.dumps(slide.model_dump(mode="json"))


def test_the_documented_examples_are_understood():
    blocks = DOCUMENTED.read_text(encoding="utf-8").split("```")[1::2]
    assert len(blocks) >= 3
    kinds = {one.kind for block in blocks for one in written_in(block.removeprefix("text\n"))}
    assert kinds >= set(KINDS)


def test_the_prompt_is_shown_as_it_was_written():
    slide, = slides_of("What now?\nSecond line\nAnswer: free")
    prompt = next(e for e in slide.elements if e.id == slide.questions[0].prompt)
    assert plain(prompt.text) == "What now?\nSecond line"


def test_sets_keep_what_they_have():
    quiz = Quiz(sets=(QuestionSet(id="setone", name="One"),))
    course = quiz_course(1).course.model_copy(update={"sections": (
        Section(id="secquiz", title="Quiz", before=None, quiz=quiz),)})
    planted = plant_questions(course, written_in("Is it?\nAnswer: true"), None, ids(), "secquiz")
    one, = planted.course.sections[0].quiz.sets
    assert one.id == "setone" and one.slides == (planted.slides[0].id,)


def test_more_than_there_is_room_for_is_refused_and_nothing_is_made():
    course = quiz_course(1).course.model_copy(update={"sections": (
        Section(id="secquiz", title="Quiz", before=None, quiz=Quiz()),)})
    apart = "\n\n".join(f"Is it {n}?\nAnswer: true\nSet: Set {n}" for n in range(51))
    with pytest.raises(TooLong, match="50 sets"):
        plant_questions(course, written_in(apart), None, ids(), "secquiz")
    full = course.model_copy(update={"slides": tuple(f"slide{n}" for n in range(5_000))})
    with pytest.raises(TooLong, match="5,000 slides"):
        plant_questions(full, written_in("Is it?\nAnswer: true"), None, ids())
