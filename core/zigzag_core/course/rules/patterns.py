"""Patterns of the trade: interactions made in one step, kept as one thing, compiled to rules."""

from typing import Annotated, Literal

from pydantic import Field

from ..kinds import ElementRef, Is, MaybeElement, MaybeSlide, PatternRef, ShownRef
from ..model import Id, Model, Name
from ..references import references
from .expression import Expression

Elements = Annotated[tuple[ElementRef, ...], Field(max_length=200)]
Shown = Annotated[tuple[ShownRef, ...], Field(max_length=200)]
Wording = Annotated[str, Field(max_length=250)]


class Revealed(Model):
    """A click on `trigger` shows `shows`: elements, groups or overlays."""

    trigger: ElementRef
    shows: Shown = ()


class RevealSet(Model):
    """Things to click, each with what it reveals: one at a time, or all stay open.

    `closes_again`: a second click hides what the first has shown. `first_open`: the first is
    shown from the start.
    """

    kind: Literal["reveal_set"] = "reveal_set"
    id: Annotated[Id, Is("pattern")]
    name: Name
    items: tuple[Revealed, ...] = Field(default=(), max_length=100)
    one_at_a_time: bool = True
    closes_again: bool = True
    first_open: bool = False


class CountWords(Model):
    """Words for when `left` are still to be seen."""

    left: Annotated[int, Field(ge=0, le=200)]
    words: Wording


class SeenCounter(Model):
    """A text that says how many of a set are left. ``#`` in the words stands for the number."""

    kind: Literal["seen_counter"] = "seen_counter"
    id: Annotated[Id, Is("pattern")]
    name: Name
    text: ElementRef
    set: PatternRef
    words: Wording = "# still to see"
    for_count: tuple[CountWords, ...] = Field(
        default=(CountWords(left=0, words="All seen"),), max_length=50
    )


class Card(Model):
    """Two sides of one card: elements of the slide."""

    front: ElementRef
    back: ElementRef


class FlipCards(Model):
    """Cards that turn over when they are clicked."""

    kind: Literal["flip_cards"] = "flip_cards"
    id: Annotated[Id, Is("pattern")]
    name: Name
    cards: tuple[Card, ...] = Field(default=(), max_length=100)


class Step(Model):
    """What one step of a sequence shows."""

    shows: Shown = ()


class Steps(Model):
    """A sequence: each step shows its elements; buttons lead on and back."""

    kind: Literal["steps"] = "steps"
    id: Annotated[Id, Is("pattern")]
    name: Name
    steps: tuple[Step, ...] = Field(default=(), max_length=100)
    onward: MaybeElement = None
    back: MaybeElement = None


class BeforeAfter(Model):
    """Two pictures on top of each other; a slider wipes from one to the other."""

    kind: Literal["before_after"] = "before_after"
    id: Annotated[Id, Is("pattern")]
    name: Name
    before: ElementRef
    after: ElementRef


class Checklist(Model):
    """Things to tick off."""

    kind: Literal["checklist"] = "checklist"
    id: Annotated[Id, Is("pattern")]
    name: Name
    items: Elements = ()


class PathChoice(Model):
    """A click on `trigger` leads to `slide`; without one, Next does when `condition` holds."""

    trigger: ElementRef | None = None
    condition: Expression = True
    slide: MaybeSlide = None


class ChoosePath(Model):
    """A fork: by what is clicked, or by what holds when the learner goes on."""

    kind: Literal["choose_path"] = "choose_path"
    id: Annotated[Id, Is("pattern")]
    name: Name
    paths: tuple[PathChoice, ...] = Field(default=(), max_length=50)


class SpotPlaces(Model):
    """Places to find in a picture; a place that was found shows its *visited* look."""

    kind: Literal["spot_places"] = "spot_places"
    id: Annotated[Id, Is("pattern")]
    name: Name
    places: Elements = ()


Pattern = Annotated[
    RevealSet | SeenCounter | FlipCards | Steps | BeforeAfter | Checklist | ChoosePath
    | SpotPlaces,
    Field(discriminator="kind"),
]
SETS = ("reveal_set", "flip_cards", "steps", "checklist", "spot_places")
"""The kinds of patterns that know when all of them was seen."""


def parts(pattern: Pattern) -> set[str]:
    """Return the ids of all elements and overlays that take part in `pattern`.

    What its conditions only ask about takes no part.
    """
    return {
        found.id for found in references(pattern)
        if not found.asked and {"element", "overlay"} & set(found.kinds)
    }


def members(pattern: Pattern) -> tuple[str, ...]:
    """Return the elements that count as seen once they were clicked; empty where it is no set.

    What a pattern shows from the start need not be clicked.
    """
    match pattern:
        case RevealSet():
            triggers = tuple(item.trigger for item in pattern.items)
            return triggers[1:] if pattern.first_open else triggers
        case FlipCards():
            return tuple(card.front for card in pattern.cards)
        case Checklist():
            return pattern.items
        case SpotPlaces():
            return pattern.places
    return ()
