"""A slide for each path of a fork, from which Next leads back to where the path was chosen."""

from collections.abc import Iterator

from zigzag_core.course import Course, IdSource, Layout, Slide, ToNext, ToSlide
from zigzag_core.course.layouts.shipped import TITLE_AND_TEXT
from zigzag_core.course.rules.patterns import ChoosePath, PathChoice
from zigzag_core.course.text.spoken import all_spoken

from .layouts.following import slide_from, with_layout

_TITLE_LENGTH = 180


def slides_for_paths(
    course: Course, slide: Slide, pattern: str, fresh: IdSource
) -> tuple[Course, tuple[Slide, ...]]:
    """Return `course` and the slides that change: `slide`, and a new one for each of its paths that
    leads nowhere yet.

    The new slides stand behind `slide`, are called as what is clicked, and lead back to it. Next on
    `slide` passes over them: to the slide after them, and to a new one where there is none. A
    `pattern` that is no choice of paths of the slide, or has no path without a slide, gives none;
    so does a slide that the course does not list.
    """
    found = next((p for p in slide.patterns if p.id == pattern and isinstance(p, ChoosePath)), None)
    if slide.id not in course.slides or not isinstance(found, ChoosePath) or all(
            path.slide for path in found.paths):
        return course, ()
    course, layout = with_layout(course, TITLE_AND_TEXT)
    made: list[Slide] = []
    paths = tuple(_with_slides(found, slide, course, layout, fresh, made))
    position = course.slides.index(slide.id) + 1
    rest = course.slides[position:]
    after = rest[0] if rest else None
    if not after:
        made.append(slide_from(layout, course, f"After {slide.title}"[:_TITLE_LENGTH], fresh))
        after = made[-1].id
    led = slide.model_copy(update={
        "patterns": tuple(
            found.model_copy(update={"paths": paths}) if p is found else p for p in slide.patterns),
        **({"onward": ToSlide(slide=after)} if isinstance(slide.onward, ToNext) else {}),
    })
    order = (*course.slides[:position], *(each.id for each in made), *rest)
    return course.model_copy(update={"slides": order}), (led, *made)


def _with_slides(
    pattern: ChoosePath, slide: Slide, course: Course, layout: Layout, fresh: IdSource,
    made: list[Slide],
) -> Iterator[PathChoice]:
    """The paths, each with a slide; the new slides go into `made`."""
    said = all_spoken(slide.elements)
    for number, path in enumerate(pattern.paths, 1):
        if path.slide:
            yield path
            continue
        title = said.get(path.trigger or "") or f"Path {number}"
        new = slide_from(layout, course, title[:_TITLE_LENGTH], fresh)
        made.append(new.model_copy(update={"onward": ToSlide(slide=slide.id)}))
        yield path.model_copy(update={"slide": new.id})
