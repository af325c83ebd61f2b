"""What there is in a course, to be asked whether a reference leads anywhere."""

from collections.abc import Iterator
from functools import cached_property

from .document import CourseDocument, Slide
from .layouts.layout import Layout
from .model import Model
from .references import Identity, Reference, identities, references
from .style.style import GIVEN_LOOKS

OF_COURSE = frozenset(
    {"slide", "section", "set", "band", "variable", "medium", "style", "layout"})
"""Kinds of things that are the course's; all others are on a slide or in a layout."""


class Known:
    """The things of one course, and where they are."""

    def __init__(self, document: CourseDocument) -> None:
        self.document = document

    @cached_property
    def of_course(self) -> frozenset[Identity]:
        """The things of the course itself, and its slides."""
        slides = (Identity("slide", slide.id) for slide in self.document.slides)
        return frozenset((*identities(self.document.course), *slides))

    @cached_property
    def on_slides(self) -> dict[str, frozenset[Identity]]:
        """The things on each slide."""
        return {slide.id: frozenset(identities(slide)) for slide in self.document.slides}

    @cached_property
    def anywhere(self) -> frozenset[Identity]:
        """The things on any slide."""
        return frozenset().union(*self.on_slides.values())

    def is_lost(self, reference: Reference, holder: Slide | Layout | None) -> bool:
        """Return whether `reference` in `holder`, or (None) in the settings, leads nowhere.

        What an expression asks about may be on any slide; all else is where it is named.
        """
        if reference.weak:
            return False
        wanted = [Identity(kind, reference.id) for kind in reference.kinds]
        if any(one in self.of_course for one in wanted if one.kind in OF_COURSE):
            return False
        if reference.kinds == ("look",):
            return reference.id not in GIVEN_LOOKS and not self._is_own_look(wanted[0])
        if isinstance(holder, Layout):
            return not any(one in frozenset(identities(holder)) for one in wanted)
        here = self.anywhere if holder is None or reference.asked else self.on_slides[holder.id]
        return not any(one in here for one in wanted)

    def _is_own_look(self, look: Identity) -> bool:
        """Whether an element, a named style or a layout's element has this look."""
        return look in self.anywhere or look in self.of_course

    def lost(self) -> Iterator[tuple[Reference, Slide | Layout | None, Model]]:
        """Yield every reference that leads nowhere, where it is, and what names it."""
        for slide in self.document.slides:
            # Almost all slides have none: these are looked at as a whole, which is quicker.
            if not any(self._lost_in(slide, slide)):
                continue
            for part in (*slide.elements, *slide.questions, *slide.overlays, *slide.patterns):
                yield from self._lost_in(part, slide)
            others = slide.model_copy(update={
                "elements": (), "questions": (), "overlays": (), "patterns": ()})
            yield from self._lost_in(others, slide)
        course = self.document.course
        for layout in course.layouts:
            yield from self._lost_in(layout, layout)
        yield from self._lost_in(course.model_copy(update={"layouts": ()}), None)

    def _lost_in(
        self, part: Model, holder: Slide | Layout | None
    ) -> Iterator[tuple[Reference, Slide | Layout | None, Model]]:
        pairs = {q.id for q in holder.questions if hasattr(q, "targets")} if isinstance(
            holder, Slide) else ()
        for reference in references(part, pairs):
            if self.is_lost(reference, holder):
                yield reference, holder, part
