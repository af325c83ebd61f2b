"""Overlays that come and go, and what was on them."""

from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions import feedback as f
from zigzag_core.editing.arranging.groups import group
from zigzag_core.editing.overlays import with_overlay, without_overlay

from .samples import fresh_ids
from .test_questions import document, slide_with


def test_an_overlay_that_goes_takes_what_is_on_it_and_gives_back_the_words():
    slide = slide_with("single_choice")
    asked = slide.questions[0]
    last = asked.choices[-1].element
    slide, overlay = with_overlay(slide, [last], fresh_ids(5))
    shows = (f.Shown(after="right", overlay=overlay, alt="Kept"),)
    given = document(slide, feedback=f.Feedback(shows=shows)).slides[0]
    assert next(e for e in given.elements if e.id == last).overlay == overlay
    left = valid_slide(without_overlay(given, overlay))
    assert left.overlays == () and last not in {e.id for e in left.elements}
    assert left.questions[0].choices == asked.choices[:-1]
    assert left.questions[0].feedback.shows == (f.Shown(after="right", alt="Kept"),)


def test_a_member_that_moves_onto_an_overlay_leaves_its_group():
    slide, fresh = slide_with("single_choice"), fresh_ids(5)
    first, second, third = (choice.element for choice in slide.questions[0].choices)
    slide, made = group(slide, [first, second, third], fresh)
    alone, overlay = with_overlay(slide, [third], fresh)
    where = {e.id: (e.overlay, e.group) for e in valid_slide(alone).elements}
    assert where[third] == (overlay, None) and where[first] == (None, made)
    whole, overlay = with_overlay(slide, [made], fresh)
    where = {e.id: (e.overlay, e.group) for e in valid_slide(whole).elements}
    assert {where[name] for name in (first, second, third)} == {(overlay, made)}
    assert where[made] == (overlay, None)
