"""Questions find a place on a slide that has something on it."""

import pytest
from zigzag_core.course import Picture, Shape, SlideSize, Text, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.elements.geometry import box_of
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.editing.adding import add
from zigzag_core.editing.questions.placement import covers_others
from zigzag_core.verification.findings.questions import question_findings

from .samples import fresh_ids

SIZE = SlideSize()
TITLE = Text(id="title", name="Title", x=80, y=64, w=1120, h=72, text=rich("Boots"))
INTRO = Text(id="intro", name="Intro", x=80, y=160, w=1120, h=90, text=rich("Wet boots …"))
PICTURE = Picture(id="pica", name="Rack", x=760, y=160, w=440, h=440, media="rack", alt="A rack")
LEFT = PICTURE.model_copy(update={"x": 80, "id": "picb"})
GROUND = Shape(id="ground", name="Ground", w=1280, h=720)
EMPTY = Text(id="empty", name="Words", x=80, y=180, w=1120, h=400)


def added(kind, *there):
    fresh = fresh_ids(3)
    slide = blank_slide("S", fresh).model_copy(update={"elements": there})
    return add(slide, kind, fresh, SIZE)[:2]


@pytest.mark.parametrize("there", [
    (TITLE,), (TITLE, INTRO), (TITLE, PICTURE), (TITLE, LEFT), (GROUND, TITLE, EMPTY),
], ids=["title", "below", "left", "right", "ground"])
@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_every_kind_stands_where_it_covers_nothing(kind, there):
    slide, new = added(kind, *there)
    assert not covers_others(slide, new, SIZE)
    by_id = {e.id: box_of(e) for e in slide.elements}
    for name in new:
        assert by_id[name].x >= 0 and by_id[name].right <= 1280 and by_id[name].bottom <= 720
    [asked] = slide.questions
    assert set(q.part_elements(asked)) == set(new)
    parts = [by_id[name] for name in q.answer_elements(asked)]
    assert not any(by_id[asked.submit].touches(part) for part in parts)
    assert not [f for f in question_findings(slide) if f.level == "error"]


def test_where_there_is_no_room_it_stands_as_usual_and_that_is_told():
    full = [Shape(id=f"box{n}", name=f"Box {n}", x=40 + n * 410, y=150, w=380, h=540)
            for n in range(3)]
    slide, new = added("single_choice", TITLE, *full)
    usual, _ = added("single_choice", TITLE)
    assert covers_others(slide, new, SIZE)
    assert [box_of(e) for e in slide.elements[4:]] == [box_of(e) for e in usual.elements[1:]]
