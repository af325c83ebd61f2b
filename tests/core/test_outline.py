"""From pasted text to sections and slides; find and replace; the route."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.course import (
    Course,
    CourseDocument,
    GoTo,
    Nowhere,
    Rule,
    Slide,
    Text,
    TextRun,
    ToSlide,
    plain,
    rich,
)
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.text.rich_text import Block, RichText
from zigzag_core.editing.outline import plant, read_outline
from zigzag_core.editing.search import find, replace
from zigzag_core.verification.route import route

from .samples import fresh_ids, quiz_course

quick = settings(max_examples=120, deadline=None, derandomize=True)


def lines(text):
    return [(line.kind, line.title, *line.body) for line in read_outline(text)]


@pytest.mark.parametrize(("text", "expected"), [
    ("Boots\nRopes", [("slide", "Boots"), ("slide", "Ropes")]),
    ("Arriving\n\tWelcome\n\tMap\nRooms\n\tKitchen", [
        ("section", "Arriving"), ("slide", "Welcome"), ("slide", "Map"), ("section", "Rooms"),
        ("slide", "Kitchen")]),
    ("- A\n  - one\n    - first\n    - second\n  * two", [
        ("section", "A"), ("slide", "one", "first", "second"), ("slide", "two")]),
    ("# A\n\n## one\nsome **bold** words\n- x\n\n## two", [
        ("section", "A"), ("slide", "one", "some bold words", "x"), ("slide", "two")]),
    ("## one\nbody\n## two", [("slide", "one", "body"), ("slide", "two")]),
    ("1. one\n2) two\n• three\n- [ ] four", [
        ("slide", "one"), ("slide", "two"), ("slide", "three"), ("slide", "four")]),
    ("\n \n", []),
])
def test_lists_headings_and_indents_become_lines(text, expected):
    assert lines(text) == expected


@quick
@given(st.text(max_size=400))
def test_any_text_gives_lines_and_loses_no_line(text):
    found = read_outline(text)
    count = sum(1 + len(line.body) for line in found)
    assert count == sum(1 for line in text.splitlines() if line.strip())
    assert all(len(line.title) <= 200 for line in found)


def test_planted_lines_stand_behind_the_slide_with_sections_and_words():
    document = quiz_course(1)
    first, second = document.course.slides
    parsed = read_outline("# A\n## one\nsaid\n## two\n# B")
    course, slides = plant(document.course, parsed, first, fresh_ids(9))
    assert course.slides == (first, *(slide.id for slide in slides), second)
    assert [slide.title for slide in slides] == ["one", "two"]
    assert [plain(e.text) for e in slides[0].elements] == ["one", "said"]
    assert {s.title: s.before for s in course.sections} == {"A": slides[0].id, "B": second}
    CourseDocument(course=course, slides=(document.slides[0], *slides, document.slides[1]))


def test_too_long_an_outline_is_refused():
    with pytest.raises(ValueError, match="5,000"):
        read_outline("x\n" * 5_001)


def searched(*slides):
    course = Course(id="course", title="The rope", slides=tuple(s.id for s in slides))
    return CourseDocument(course=course, slides=slides)


def text(name, words, **more):
    body = words if isinstance(words, RichText) else rich(words)
    return Text(id=f"{name}x", name=name, text=body, **more)


def test_words_are_found_across_emphasis_and_replaced_where_wanted():
    split = RichText(blocks=(Block(runs=(
        TextRun(text="Coil the ro"), TextRun(text="pe", bold=True), TextRun(text=" now"),
    )),))
    document = searched(Slide(id="slidea", title="Ropes", elements=(
        text("texta", split), text("textb", "A rope, a ROPE, a ropeway", alt="rope"),
    )))
    found = find(document, "texts", "rope")
    assert [(f.spot.part, f.match) for f in found] == [
        ("title", "rope"), ("text.0", "rope"), ("text.0", "rope"), ("text.0", "ROPE"),
        ("text.0", "rope"), ("title", "Rope")]
    assert len(find(document, "texts", "rope", match_case=True, whole_words=True)) == 3
    after = replace(document, "texts", "rope", "line", [found[1].key, found[3].key])
    first, second = after.slides[0].elements
    assert plain(first.text) == "Coil the line now"
    assert [run.bold for run in first.text.blocks[0].runs] == [False, False]
    assert plain(second.text) == "A rope, a line, a ropeway" and second.alt == "rope"
    assert after.course.title == "The rope"
    assert find(replace(document, "texts", "rope", "line"), "texts", "rope") == ()


def test_names_alternatives_colours_and_fonts():
    styled = text("texta", "x", alt="A rope", style={"fill": "#112233", "font": "heading"})
    document = searched(Slide(id="slidea", title="S", background={"colour": "#112233"},
                              elements=(Text.model_validate(styled.model_dump()),)))
    assert [f.spot.part for f in find(document, "colours", "#112233")] == [
        "style fill", "background"]
    after = replace(document, "colours", "#112233", "accent").slides[0]
    assert after.elements[0].style.fill == "accent" and after.background.colour == "accent"
    assert replace(document, "fonts", "heading", "text").slides[0].elements[0].style.font == "text"
    assert replace(document, "names", "texta", "Boots").slides[0].elements[0].name == "Boots"
    assert replace(document, "alternatives", "rope", "line").slides[0].elements[0].alt == "A line"
    with pytest.raises(ValueError):
        replace(document, "colours", "#112233", "reddish")


@quick
@given(st.text(st.sampled_from("ab "), max_size=12), st.text(st.sampled_from("ab"), max_size=3),
       st.text(st.sampled_from("xy"), max_size=3))
def test_replacing_everywhere_is_what_text_replacement_is(words, what, by):
    document = searched(Slide(id="slidea", title="-", elements=(text("texta", words),)))
    after = replace(document, "texts", what, by, match_case=True)
    expected = plain(rich(words)).replace(what, by) if what else words
    assert plain(after.slides[0].elements[0].text) == expected


def steps(*, onward=None, rules=None, count=5):
    """Slides in a row; `onward` and `rules` by number, as targets."""
    fresh = fresh_ids(3)
    ids = [f"slide{n}" for n in range(count)]
    slides = []
    for n, name in enumerate(ids):
        slide = blank_slide(f"S{n}", fresh)
        targets = (rules or {}).get(n, ())
        element = slide.elements[0].model_copy(update={"rules": tuple(
            Rule(id=fresh(), do=(GoTo(go=ToSlide(slide=ids[t])),)) for t in targets
        )})
        to = (onward or {}).get(n, "next")
        way = {"next": {"to": "next"}, "nowhere": Nowhere().model_dump()}.get(to) or {
            "to": "slide", "slide": ids[to]}
        slides.append(slide.model_copy(update={"id": name, "elements": (element,)})
                      .model_validate({**slide.model_dump(), "id": name, "onward": way,
                                       "elements": [element.model_dump()]}))
    return searched(*slides)


def test_the_route_shows_forks_and_what_is_left_out():
    found = route(steps())
    assert [(w.source, w.target) for w in found.ways] == [
        (f"slide{n}", f"slide{n + 1}") for n in range(4)]
    assert not found.unreached and not found.dead_ends and not found.forks
    fork = route(steps(onward={0: "nowhere", 1: 3, 2: 3}, rules={0: (1, 2)}))
    assert fork.forks == 1 and not fork.unreached
    assert {(w.source, w.target, w.kind) for w in fork.ways} >= {
        ("slide0", "slide1", "rule"), ("slide0", "slide2", "rule"), ("slide1", "slide3", "onward")}
    assert any("is clicked" in w.why for w in fork.ways)
    lost = route(steps(onward={1: 3, 3: "nowhere"}))
    assert lost.unreached == ("slide2", "slide4") and lost.dead_ends == ("slide3",)


def test_a_long_course_has_its_route_at_once():
    assert len(route(steps(count=800)).ways) == 799
