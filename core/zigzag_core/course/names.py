"""Names of the things that expressions speak of, and back to what is named."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import get_args

from .document import Course, Slide
from .rules.patterns import SETS
from .text.rich_text import LiveValue

MOST_NAMED = 5
"""So many things of one sort are named in a sentence; of the rest it is told how many they are."""


def some_of(names: Sequence[str]) -> str:
    """Return names in quotation marks, as many as a sentence takes."""
    shown = ", ".join(f"“{name}”" for name in names[:MOST_NAMED])
    return shown + (f" and {len(names) - MOST_NAMED} more" if len(names) > MOST_NAMED else "")


@dataclass(frozen=True)
class Names:
    """Names by kind and id; kinds as in `expression.NAMED`."""

    of: Mapping[str, Mapping[str, str]] = field(default_factory=dict)

    def name(self, kind: str, thing: str) -> str:
        """Return the name of a thing, or “something that is gone”."""
        return self.of.get(kind, {}).get(thing) or "something that is gone"

    def only(self, kind: str, name: str) -> str | None:
        """Return the id of the one thing that has this name; None where it is none or several."""
        found = self._ids.get((kind, name), ())
        return found[0] if len(found) == 1 else None

    def ids(self, kind: str, name: str) -> tuple[str, ...]:
        """Return the ids of all things of a kind that have this name."""
        return tuple(self._ids.get((kind, name), ()))

    @cached_property
    def _ids(self) -> dict[tuple[str, str], list[str]]:
        found: dict[tuple[str, str], list[str]] = defaultdict(list)
        for kind, names in self.of.items():
            for thing, name in names.items():
                found[kind, name].append(thing)
        return found


def names_of(course: Course, slide: Slide | None, titles: Mapping[str, str]) -> Names:
    """Return what expressions on `slide` can name; `titles` are those of all slides by id."""
    here = {
        "elements": {e.id: e.name for e in slide.elements},
        "overlays": {overlay.id: overlay.name for overlay in slide.overlays},
        "questions": {question.id: question.name for question in slide.questions},
        "sets": {p.id: p.name for p in slide.patterns if p.kind in SETS},
    } if slide else {}
    quizzes = [(section, section.quiz) for section in course.sections if section.quiz]
    # An overlay can be shown as an element can.
    shown = {**here["elements"], **here["overlays"]} if slide else {}
    return Names({
        **here, "elements": shown, "slides": titles,
        "variables": {variable.id: variable.name for variable in course.variables},
        "live": {name: name for name in get_args(LiveValue)},
        "quizzes": {section.id: section.title for section, _ in quizzes},
        "question_sets": {one.id: one.name for _, quiz in quizzes for one in quiz.sets},
        "bands": {band.id: band.name for _, quiz in quizzes for band in quiz.bands},
    })
