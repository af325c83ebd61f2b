"""From patterns to primitives: what they change on elements, and the variables and sets they keep.

The rules come out as blocks: an author can look at them, and they run before all others.
"""

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Any

from zigzag_core import program as p
from zigzag_core.course import NumberVariable, Slide, Variable, YesNoVariable
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.rules.patterns import (
    BeforeAfter,
    Checklist,
    ChoosePath,
    FlipCards,
    Pattern,
    RevealSet,
    SeenCounter,
    SpotPlaces,
    Steps,
    members,
)

from .names import internal
from .rules import program_expression
from .scope import Scope


@dataclass
class Woven:
    """What the patterns of one slide come to."""

    changes: dict[str, dict[str, Any]] = field(default_factory=dict)
    """By element: fields of its `ProgramElement`."""
    rules: dict[str, list[p.ProgramRule]] = field(default_factory=dict)
    """By element: its block rules."""
    variables: list[Variable] = field(default_factory=list)
    sets: list[p.SeenSet] = field(default_factory=list)
    forks: list[p.Fork] = field(default_factory=list)

    def change(self, element: str, **values: Any) -> None:
        """Set fields of a program's element, by its id."""
        self.changes.setdefault(element, {}).update(values)

    def on_click(
        self, element: str, name: str, then: Iterable[p.Action], condition: Node = True,
        otherwise: Iterable[p.Action] = (),
    ) -> None:
        """Give `element` a block rule for a click, and make it something to click."""
        rule = p.ProgramRule(
            id=name, on="clicked", target=element, block=True, condition=condition,
            then=tuple(then), otherwise=tuple(otherwise),
        )
        self.rules.setdefault(element, []).append(rule)
        self.changes.setdefault(element, {}).setdefault("control", "button")


def woven(slide: Slide, scope: Scope) -> Woven:
    """Return what all patterns of `slide` come to."""
    result = Woven()
    for pattern in slide.patterns:
        _weave(pattern, slide, scope, result)
        if members(pattern):
            result.sets.append(p.SeenSet(id=pattern.id, slide=slide.id, of=members(pattern)))
    return result


def _weave(pattern: Pattern, slide: Slide, scope: Scope, result: Woven) -> None:
    match pattern:
        case RevealSet():
            _reveal_set(pattern, scope, result)
        case SeenCounter():
            _seen_counter(pattern, scope, result)
        case FlipCards():
            _flip_cards(pattern, result)
        case Steps():
            _steps(pattern, result)
        case BeforeAfter():
            name = internal(pattern.id, "share")
            result.variables.append(
                NumberVariable(id=name, name=pattern.name, default=50, min=0, max=100)
            )
            result.change(pattern.after, control="wiper", variable=name)
        case Checklist():
            _checklist(pattern, result)
        case ChoosePath():
            _choose_path(pattern, scope, result)
        case SpotPlaces():
            for place in pattern.places:
                result.change(place, control="button", selected=["clicked", place])


def _reveal_set(pattern: RevealSet, scope: Scope, result: Woven) -> None:
    for number, item in enumerate(pattern.items):
        own = set(item.shows)
        others = [
            name for other in pattern.items for name in other.shows if name not in own
        ] if pattern.one_at_a_time else []
        show = [_show(name, scope) for name in item.shows]
        hide = [_hide(name, scope) for name in dict.fromkeys(others)]
        first = item.shows[0] if item.shows else None
        is_open = (["open" if first in scope.overlays else "shown", first]) if first else False
        for name in item.shows:
            if name not in scope.overlays:
                result.change(name, visible=pattern.first_open and number == 0)
        closing = [_hide(name, scope) for name in item.shows]
        result.on_click(
            item.trigger, f"{pattern.id}_{number}",
            condition=["not", is_open] if pattern.closes_again and first else True,
            then=(*hide, *show), otherwise=closing,
        )
        result.change(item.trigger, selected=is_open)
        if first:
            result.change(item.trigger, reveals=first)


def _show(name: str, scope: Scope) -> p.Action:
    return p.OpenOverlay(overlay=name) if name in scope.overlays else p.Show(element=name)


def _hide(name: str, scope: Scope) -> p.Action:
    return p.CloseOverlay(overlay=name) if name in scope.overlays else p.Hide(element=name)


def _seen_counter(pattern: SeenCounter, scope: Scope, result: Woven) -> None:
    left = program_expression(["left_of", pattern.set], scope)
    words: Any = _counted(pattern.words, left)
    for entry in reversed(pattern.for_count):
        words = ["if", ["=", left, entry.left], _counted(entry.words, left), words]
    result.change(pattern.text, words=words)


def _counted(words: str, count: Node) -> Node:
    """The words with the number in the place of every ``#``."""
    before, *rest = words.split("#")
    if not rest:
        return words
    parts: list[Any] = [before]
    for piece in rest:
        parts += [count, piece]
    return ["join", *parts[:50]]


def _flip_cards(pattern: FlipCards, result: Woven) -> None:
    for number, card in enumerate(pattern.cards):
        turn = (p.Hide(element=card.front), p.Show(element=card.back))
        back = (p.Hide(element=card.back), p.Show(element=card.front))
        result.on_click(card.front, f"{pattern.id}_{number}", turn)
        result.on_click(card.back, f"{pattern.id}_{number}b", back)
        result.change(card.front, flips=True, reveals=card.back)
        result.change(card.back, flips=True, visible=False)


def _steps(pattern: Steps, result: Woven) -> None:
    count = len(pattern.steps)
    step, far = internal(pattern.id, "step"), internal(pattern.id, "far")
    for name in (step, far):
        result.variables.append(NumberVariable(
            id=name, name=pattern.name, default=1, min=1, max=max(count, 1), decimals=0,
        ))
    now = ["variable", step]
    places: dict[str, list[int]] = {}
    for number, part in enumerate(pattern.steps, 1):
        for name in part.shows:
            places.setdefault(name, []).append(number)
    for name, numbers in places.items():
        result.change(name, visible=["or", *(["=", now, number] for number in numbers)])
    if pattern.onward:
        result.on_click(pattern.onward, f"{pattern.id}_on", (
            p.SetVariable(variable=step, value=["+", now, 1]),
            p.SetVariable(variable=far, value=["max", now, ["variable", far]]),
        ))
        result.change(pattern.onward, enabled=["<", now, count])
    if pattern.back:
        result.on_click(pattern.back, f"{pattern.id}_back", (
            p.SetVariable(variable=step, value=["-", now, 1]),
        ))
        result.change(pattern.back, enabled=[">", now, 1])


def _checklist(pattern: Checklist, result: Woven) -> None:
    for number, item in enumerate(pattern.items):
        name = internal(pattern.id, f"tick{number}")
        ticked = ["variable", name]
        result.variables.append(YesNoVariable(id=name, name=pattern.name))
        result.on_click(item, f"{pattern.id}_{number}", (
            p.SetVariable(variable=name, value=["not", ticked]),
        ))
        result.change(item, control="check", selected=ticked)


def _choose_path(pattern: ChoosePath, scope: Scope, result: Woven) -> None:
    for number, path in enumerate(pattern.paths):
        if path.slide is None or path.slide not in scope.order:
            continue
        if path.trigger:
            result.on_click(path.trigger, f"{pattern.id}_{number}", (
                p.Go(to="slide", slide=path.slide),
            ))
        else:
            condition = program_expression(path.condition, scope)
            result.forks.append(p.Fork(condition=condition, slide=path.slide))
