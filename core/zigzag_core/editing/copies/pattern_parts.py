"""Patterns when elements are copied or taken away."""

from collections.abc import Iterable

from zigzag_core.course import Pattern, Slide
from zigzag_core.course.rules.patterns import (
    BeforeAfter,
    Checklist,
    ChoosePath,
    FlipCards,
    RevealSet,
    SeenCounter,
    SpotPlaces,
    Steps,
    parts,
)


def cut_down(pattern: Pattern, kept: set[str]) -> Pattern | None:
    """Return `pattern` with only those parts that are `kept`; None where nothing is left of it."""
    match pattern:
        case RevealSet():
            items = tuple(
                item.model_copy(update={"shows": tuple(s for s in item.shows if s in kept)})
                for item in pattern.items if item.trigger in kept
            )
            return pattern.model_copy(update={"items": items}) if items else None
        case SeenCounter():
            return pattern if pattern.text in kept else None
        case FlipCards():
            cards = tuple(c for c in pattern.cards if c.front in kept and c.back in kept)
            return pattern.model_copy(update={"cards": cards}) if cards else None
        case Steps():
            steps = tuple(
                step.model_copy(update={"shows": tuple(s for s in step.shows if s in kept)})
                for step in pattern.steps
            )
            return pattern.model_copy(update={
                "steps": tuple(step for step in steps if step.shows),
                "onward": pattern.onward if pattern.onward in kept else None,
                "back": pattern.back if pattern.back in kept else None,
            }) if any(step.shows for step in steps) else None
        case BeforeAfter():
            return pattern if {pattern.before, pattern.after} <= kept else None
        case Checklist():
            items_left = tuple(item for item in pattern.items if item in kept)
            return pattern.model_copy(update={"items": items_left}) if items_left else None
        case ChoosePath():
            paths = tuple(p for p in pattern.paths if p.trigger is None or p.trigger in kept)
            return pattern.model_copy(update={"paths": paths}) if paths else None
        case SpotPlaces():
            places = tuple(place for place in pattern.places if place in kept)
            return pattern.model_copy(update={"places": places}) if places else None
    return None


def patterns_without(slide: Slide, kept: set[str]) -> tuple[Pattern, ...]:
    """Return the patterns of `slide` as far as their parts are `kept`, and their sets with them."""
    left = [cut for pattern in slide.patterns if (cut := cut_down(pattern, kept))]
    known = {pattern.id for pattern in left}
    return tuple(p for p in left if not isinstance(p, SeenCounter) or p.set in known)


def copied_patterns(patterns: Iterable[Pattern], wanted: set[str]) -> tuple[Pattern, ...]:
    """Return what goes along with copies of `wanted`: patterns, cut down to them."""
    return tuple(
        cut for pattern in patterns
        if wanted & set(parts(pattern)) and (cut := cut_down(pattern, wanted))
    )


def joined(old: Pattern, more: Pattern) -> Pattern | None:
    """Return `old` with the items of `more`, a pattern of its kind; None where it takes none."""
    for name in ("items", "cards", "places", "paths"):
        if type(old) is type(more) and hasattr(old, name):
            return old.model_copy(update={name: (*getattr(old, name), *getattr(more, name))})
    return None
