"""What is different between two publications."""

import json

from zigzag_core.packaging.differences import differences

from .making import button, course, slide, text
from .samples import program_of, quiz_course


def program(document):
    return json.loads(program_of(document).model_dump_json())


def named(number, *elements):
    return slide(f"slide{number}", *elements)


def test_slides_come_go_move_and_say_other_things():
    before = program(course(named("a", text("hallo")), named("b"), named("c"), named("d")))
    other = named("a", text("hallo").model_copy(update={"text": text("goodbye").text}))
    now = program(course(named("c"), other, named("b", button("press")), named("e")))
    assert differences(before, now) == [
        "New 1 slide: “slidee”.", "Gone 1 slide: “slided”.",
        "Other words on 2 slides: “slidea”, “slideb”.", "The order of the slides."]
    assert differences(before, before) == []


def test_questions_settings_and_many_of_a_sort():
    short, long = quiz_course(1), quiz_course(9)
    found = differences(program(short), program(long))
    assert any(one.startswith("New 8 questions:") and one.endswith(" and 3 more.")
               for one in found)
    moved = quiz_course(1, pass_mark=20)
    assert differences(program(short), program(moved)) == ["Settings: pass mark."]
    first = short.slides[-1]
    dearer = short.model_copy(update={"slides": (*short.slides[:-1], first.model_copy(update={
        "questions": (first.questions[0].model_copy(update={"points": 7}),)}))})
    assert "Other judging of 1 question" in differences(program(short), program(dearer))[0]
