"""Layouts, named styles and themes: followed until overridden, and nothing lost on a change."""

import pytest
from zigzag_core.access.contrast import contrast, weak_pairs
from zigzag_core.course import (
    Background,
    Colours,
    Course,
    CourseDocument,
    RichText,
    Slide,
    SlideSize,
    Style,
    StylePatch,
    Text,
    plain,
    rich,
)
from zigzag_core.course.document import valid_slide
from zigzag_core.course.elements.blank import blank_course, blank_slide
from zigzag_core.course.layouts.resolve import Sources, resolved
from zigzag_core.course.layouts.shipped import SHIPPED_LAYOUTS
from zigzag_core.course.questions import question as q
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.editing.adding import add
from zigzag_core.editing.arranging.groups import group
from zigzag_core.editing.arranging.resizing import resize_course
from zigzag_core.editing.layouts.following import (
    change_layout,
    known_layouts,
    slide_from,
    update_layout,
    with_layout,
)
from zigzag_core.editing.layouts.making import layout_from

from .samples import fresh_ids, program_of, with_slides

COURSE = Course(id="course", title="C", styles=USUAL_STYLES)


def course_with(*keys):
    course = COURSE
    for key in keys:
        course, _ = with_layout(course, key)
    return course


def layout(course, key):
    return next(layout for layout in course.layouts if layout.id == key)


def made(key, title="Boots"):
    course = course_with(key)
    return course, slide_from(layout(course, key), course, title, fresh_ids())


@pytest.mark.parametrize("shipped", SHIPPED_LAYOUTS, ids=lambda shipped: shipped.name)
def test_every_shipped_layout_makes_a_slide_whose_slots_stand_on_it(shipped):
    course, slide = made(shipped.id)
    shown = resolved(slide, Sources(course))
    assert len(shown.elements) == len(shipped.elements)
    assert any(isinstance(e, Text) and e.level == "title" for e in slide.elements)
    for element in shown.elements:
        assert element.x >= 0 and element.x + element.w <= 1280
        assert element.y >= 0 and element.y + element.h <= 720
    names = [element.name for element in shipped.elements]
    assert len(set(names)) == len(names)
    words = [e for e in shown.elements if isinstance(e, Text)]
    grounds = {"layoutsection": "primary", "layoutclosing": "primary"}
    for element in words:
        colours = course.theme.colours
        ground = element.style.fill or grounds.get(shipped.id, "paper")
        if "Number" not in element.name:
            ratio = contrast(getattr(colours, element.style.text_colour), getattr(colours, ground))
            assert ratio >= 4.5, element.name


def test_there_are_at_least_twelve():
    assert len({shipped.id for shipped in SHIPPED_LAYOUTS}) >= 12


def test_a_slide_follows_its_layout_until_overridden():
    course, slide = made("layouttext")
    title, text = slide.elements
    moved = text.model_copy(update={"x": 5.0, "own": ("box",)})
    slide = slide.model_copy(update={"elements": (title, moved)})
    before = layout(course, "layouttext")
    changed = before.model_copy(update={"elements": tuple(
        e.model_copy(update={"x": 300.0, "style": e.style.model_copy(update={"size": 61})})
        for e in before.elements
    )})
    styles = tuple(s.model_copy(update={"style": s.style.model_copy(update={"size": 44})})
                   for s in course.styles)
    after = course.model_copy(update={"layouts": (changed,), "styles": styles})
    shown = resolved(slide, Sources(after))
    assert [e.x for e in shown.elements] == [300, 5]
    # The layout's words follow a named style, and what follows the layout follows that.
    assert [e.style.size for e in shown.elements] == [44, 44]


def test_own_properties_win_over_a_named_style():
    slide = Slide(id="slidea", title="S", elements=(
        Text(id="texta", name="T", named_style="styletitle", own=("size",),
             style=USUAL_STYLES[0].style.model_copy(update={"size": 99, "bold": False})),
    ))
    [shown] = resolved(slide, Sources(COURSE)).elements
    assert shown.style.size == 99 and shown.style.bold


def test_changing_the_layout_keeps_every_word_and_picture():
    course = course_with("layouttext", "layoutcolumns", "layoutopening")
    slide = slide_from(layout(course, "layouttext"), course, "Boots", fresh_ids())
    title, text = slide.elements
    extra = Text(id="extra", name="Extra", text=rich("kept as well"), x=9, y=9)
    slide = slide.model_copy(update={"elements": (
        title, text.model_copy(update={"text": rich("laces open")}), extra,
    )})
    for seed, key in enumerate(("layoutcolumns", "layoutopening", "layouttext"), 2):
        slide = change_layout(slide, layout(course, key), course, fresh_ids(seed))
        words = [plain(e.text) for e in slide.elements if isinstance(e, Text)]
        assert {"Boots", "laces open", "kept as well"} <= set(words)
        assert len(words) == len(slide.elements)
    assert next(e for e in slide.elements if e.id == "extra").x == 9
    shown = resolved(slide, Sources(course))
    loose = change_layout(slide, None, course, fresh_ids())
    assert loose.layout is None and all(e.slot is None for e in loose.elements)
    assert [(e.x, e.style) for e in loose.elements] == [(e.x, e.style) for e in shown.elements]


def test_a_layout_made_of_a_slide_looks_like_it():
    course, slide = made("layoutcards")
    slide = slide.model_copy(update={"background": Background(colour="#abcdef")})
    own, _ = layout_from(slide, course, "Mine", fresh_ids(7))
    grown = course.model_copy(update={"layouts": (*course.layouts, own)})
    again = slide_from(own, grown, "New", fresh_ids(8))
    before, after = resolved(slide, Sources(grown)), resolved(again, Sources(grown))
    assert after.background == before.background
    assert [(e.x, e.y, e.w, e.h, e.style) for e in after.elements] == [
        (e.x, e.y, e.w, e.h, e.style) for e in before.elements]
    assert len(own.slots) == len(slide.elements)


def test_a_slide_of_which_a_layout_is_made_looks_as_before_and_shows_nothing_twice():
    fresh = fresh_ids(3)
    slide = blank_slide("Boots", fresh)
    added = {}
    for kind in ("rectangle", "text", "picture", "single_choice", "star", "callout", "ellipse"):
        slide, ids, _ = add(slide, kind, fresh, SlideSize())
        added[kind] = ids[0]
    slide, _ = group(slide, [added["star"], added["callout"]], fresh)
    own, following = layout_from(slide, COURSE, "Mine", fresh)
    grown = COURSE.model_copy(update={"layouts": (own,)})
    shown = resolved(valid_slide(following), Sources(grown)).elements

    def looks(elements):
        return sorted((e.kind, e.x, e.y, e.w, e.h, e.style.size) for e in elements)

    assert looks(shown) == looks(resolved(slide, Sources(COURSE)).elements)
    # What adorns it stands in the layout, but for the ellipse, which lies on other things; a
    # question and a group are the slide's own.
    gone = {e.id for e in slide.elements} - {e.id for e in following.elements}
    assert gone == {added["rectangle"]}
    assert following.questions == slide.questions
    slots = {e.id: e.kind for e in own.elements if e.id in own.slots}
    assert sorted(slots.values()) == ["picture", "text", "text"]
    assert {e.slot for e in following.elements if e.slot} == set(slots)


def test_nothing_gets_too_large_to_be_saved_on_the_largest_slide():
    huge = Text(id="texta", name="T", text=rich("Far"), x=9_000, w=15_000, style=Style(
        size=300, border_width=150))
    document = CourseDocument(
        course=COURSE.model_copy(update={"slides": ("slidea",)}),
        slides=(Slide(id="slidea", title="S", elements=(huge,)),))
    grown = resize_course(document, SlideSize(w=4_000, h=4_000))
    assert CourseDocument.model_validate(grown.model_dump()).slides[0].elements[0].style.size == 400


def test_what_a_slide_has_for_its_own_becomes_the_layouts_and_others_follow():
    course, slide = made("layouttext")
    other = slide_from(layout(course, "layouttext"), course, "Other", fresh_ids(5))
    _, text = slide.elements
    own = text.model_copy(update={"x": 300.0, "own": ("box", "size"), "style":
                                  text.style.model_copy(update={"size": 40})})
    slide = slide.model_copy(update={"elements": (slide.elements[0], own),
                                     "background": Background(colour="soft")})
    before = resolved(slide, Sources(course))
    grown, following = update_layout(slide, course)
    after, followed = (resolved(s, Sources(grown)) for s in (following, other))
    assert all(not e.own for e in following.elements) and following.background is None
    for shown in (after, followed):
        assert shown.background == before.background
        assert [(e.x, e.style) for e in shown.elements] == [(e.x, e.style) for e in before.elements]
    with pytest.raises(KeyError):
        update_layout(slide.model_copy(update={"layout": None}), course)


def test_shipped_layouts_come_at_the_size_of_the_course():
    upright = COURSE.model_copy(update={"size": SlideSize(w=720, h=1280)})
    for found in known_layouts(upright):
        assert all(e.x + e.w <= 720.5 and e.y + e.h <= 1280.5 for e in found.elements)


def test_another_size_keeps_proportions_margins_and_full_widths():
    document = blank_course("Title", fresh_ids())
    _, title, _, button = document.slides[0].elements
    after = resize_course(document, SlideSize(w=640, h=720))
    new_band, new_title, _, new_button = after.slides[0].elements
    assert (new_band.h, new_band.w, new_band.x) == (720, 16, 0)
    assert new_title.w == title.w / 2 and new_title.x == title.x / 2
    assert new_button.w / new_button.h == pytest.approx(button.w / button.h)
    assert after.course.styles[0].style.size == document.course.styles[0].style.size / 2
    twice = resize_course(resize_course(document, SlideSize(w=2560, h=1440)), SlideSize())
    assert twice == document


def test_the_program_holds_the_slide_as_it_looks():
    document = blank_course("Title", fresh_ids())
    course, cards = with_layout(document.course, "layoutcards")
    slide = slide_from(cards, course, "Cards", fresh_ids(4))
    document = with_slides(document.model_copy(update={"course": course}), [slide])
    [shown] = program_of(document).slides
    assert len(shown.elements) == len(cards.elements)
    assert shown.elements[0].draw.style.fill == "sheet"
    assert len({e.draw.id for e in shown.elements}) == len(shown.elements)


def test_weak_colours_of_a_theme_are_told():
    assert weak_pairs(Colours()) == []
    [(words, ground, _, ratio), *_] = weak_pairs(Colours(ink="#999999"))
    assert (words, ground) == ("ink", "paper") and ratio < 4.5
    assert contrast("#000000", "#ffffff") == pytest.approx(21)


def test_a_look_with_a_place_of_its_own_keeps_it_when_the_slide_gets_larger():
    look = StylePatch(x=320, w=640, padding=10)
    boot = Text(id="bootid", name="Boot", text=rich("Boot"), x=0, y=0, w=320, h=90,
                looks={"hover": look})
    document = with_slides(blank_course("C", fresh_ids()), [
        Slide(id="slide1", title="A", elements=(boot,)),
    ])
    big = resize_course(document, SlideSize(w=2560, h=1440)).slides[0].elements[0]
    assert big.looks["hover"] == StylePatch(x=640, w=1280, padding=20)


def test_what_moves_to_another_layout_looks_like_it_at_once():
    course, slide = made("layoutopening")
    course, other = with_layout(course, "layouttextpicture")
    title, text, _ = change_layout(slide, other, course, fresh_ids()).elements
    assert title.style.size == 48, "72 was that of the opening's title"
    assert (text.name, text.own) == ("Text", ()), "called after its new place"


@pytest.mark.parametrize("shipped", SHIPPED_LAYOUTS, ids=lambda shipped: shipped.name)
def test_what_asks_a_question_stays_in_any_layout_though_it_is_empty(shipped):
    course, slide = made("layouttext")
    title, text = slide.elements
    empty = text.model_copy(update={"text": RichText()})
    asked = q.FillBlanks(id="blanks", name="Blanks", text=text.id)
    slide = slide.model_copy(update={"elements": (title, empty), "questions": (asked,)})
    course, other = with_layout(course, shipped.id)
    changed = change_layout(slide, other, course, fresh_ids(2))
    assert valid_slide(changed).questions == (asked,)
