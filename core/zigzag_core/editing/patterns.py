"""Patterns made in one step: from what is selected, or as a ready arrangement."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, Literal

from zigzag_core.course import (
    Area,
    Button,
    Element,
    GoTo,
    IdSource,
    Pattern,
    Shape,
    Slide,
    SlideSize,
    StylePatch,
    Text,
    rich,
)
from zigzag_core.course.elements.blank import Addition, Styles, new_element
from zigzag_core.course.rules.patterns import (
    SETS,
    BeforeAfter,
    Card,
    Checklist,
    ChoosePath,
    FlipCards,
    PathChoice,
    Revealed,
    RevealSet,
    SeenCounter,
    SpotPlaces,
    Step,
    Steps,
    parts,
)
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.errors import CannotMake

from .arranging.groups import outermost
from .names import free_name
from .pattern_pairs import revealed_by, two_sides
from .pattern_places import Place, column, grid, middle, revealing, within

Ready = Literal[
    "reveal_set", "tabs", "accordion", "cards", "markers", "timeline", "seen_counter",
    "flip_cards", "steps", "before_after", "checklist", "choose_path", "spot_places",
]
"""The patterns, and the arrangements of a reveal set."""


_OPEN = StylePatch(fill="accent", text_colour="ink")
"""How a button looks while what it reveals is open."""


FEWEST, MOST = 2, 30
"""Bounds of how many parts a ready arrangement has."""
COUNTED: tuple[Ready, ...] = (
    "reveal_set", "tabs", "accordion", "cards", "markers", "timeline", "flip_cards", "steps",
    "checklist", "choose_path", "spot_places",
)
"""What can have any number of parts."""
_TITLES = ("First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth")


class _Bench:
    """A slide in the making: what is added gets its names, its place on top, and its ids."""

    def __init__(
        self, slide: Slide, fresh: IdSource, size: SlideSize, styles: Styles, overlay: str | None,
        count: int | None = None,
    ) -> None:
        self.slide, self.fresh, self.size, self.styles = slide, fresh, size, styles
        self.count = count
        self.overlay = overlay
        self.added: list[Element] = []
        self.notes: list[str] = []
        self.names = {element.name for element in slide.elements}
        self.top = max((element.z for element in slide.elements), default=-1)

    def put_in(self, kind: Addition, name: str, box: Place, words: str = "") -> str:
        """Put an element into a box; return its id."""
        x, y, w, h = box
        return self.put(kind, name, x, y, w, h, words)

    def put(
        self, kind: Addition, name: str, x: float, y: float, w: float, h: float, words: str = ""
    ) -> str:
        element, _ = new_element(kind, self.fresh, self.styles)
        x, y, w, h = within((x, y, w, h), self.size)
        name = free_name(name, self.names)
        self.names.add(name)
        self.top += 1
        changes: dict[str, Any] = {
            "name": name, "x": round(x), "y": round(y), "w": round(w), "h": round(h),
            "z": self.top, "overlay": self.overlay,
        }
        if isinstance(element, Text | Shape):
            changes |= {"text": rich(words), "decoration": False}
        if isinstance(element, Button):
            changes["label"] = words
            changes["looks"] = {**element.looks, "selected": _OPEN}
        if isinstance(element, Area):
            changes["alt"] = words
        self.added.append(element.model_copy(update=changes))
        return element.id

    def places(self, usual: int) -> list[Place]:
        """Return a place for each part, in a grid, where as many as usual are not wanted."""
        return grid(self.count or usual, middle(self.size))

    def done(self, pattern: Pattern) -> Slide:
        return self.slide.model_copy(update={
            "elements": (*self.slide.elements, *self.added),
            "patterns": (*self.slide.patterns, pattern),
        })


@dataclass(frozen=True)
class MadePattern:
    """A slide with a new pattern, its id, what is to be selected then, and what the author should
    know of how it was made."""

    slide: Slide
    pattern: str
    selected: tuple[str, ...]
    notes: tuple[str, ...] = ()


def make_pattern(
    slide: Slide, what: Ready, ids: Sequence[str], fresh: IdSource, size: SlideSize,
    styles: Styles = USUAL_STYLES, overlay: str | None = None, count: int | None = None,
) -> MadePattern:
    """Return `slide` with the pattern `what`.

    It is made of the elements `ids`, outermost of groups, in running order; without any, a ready
    arrangement of `count` parts (2 to 30, else as many as usual) is put in the middle of the
    slide, on `overlay` where one is edited. Raises `CannotMake` where what was chosen does not
    suffice.
    """
    bench = _Bench(slide, fresh, size, styles, overlay, count)
    by_id = {element.id: element for element in slide.elements}
    chosen = [by_id[name] for name in outermost(slide.elements, ids)]
    kind = "reveal_set" if what in ("tabs", "accordion", "cards", "markers", "timeline") else what
    name = free_name(_NAMES[kind], (pattern.name for pattern in slide.patterns))
    pattern = _MAKERS[kind](bench, chosen, what, name)
    made = _leading_nowhere(bench.done(pattern), parts(pattern))
    selected = tuple(e.id for e in bench.added) or tuple(e.id for e in chosen)
    left = tuple(e for e in chosen if e.id not in parts(pattern))
    notes = (*bench.notes, *((f"Not part of it: {_listed(left)}.",) if left else ()))
    return MadePattern(made, pattern.id, selected, notes)


def _leading_nowhere(slide: Slide, taking_part: set[str]) -> Slide:
    """The slide with buttons of the pattern that no longer lead on, as new buttons do."""
    def kept(element: Element) -> Element:
        if element.id not in taking_part or not isinstance(element, Button):
            return element
        rules = tuple(rule for rule in element.rules if rule.do != (GoTo(),) or rule.otherwise)
        return element.model_copy(update={"rules": rules})

    return slide.model_copy(update={"elements": tuple(kept(e) for e in slide.elements)})


_NAMES = {
    "reveal_set": "Reveal set", "seen_counter": "Seen counter", "flip_cards": "Flip cards",
    "steps": "Steps", "before_after": "Before and after", "checklist": "Checklist",
    "choose_path": "Choose a path", "spot_places": "Places to spot",
}


def _listed(elements: Sequence[Element]) -> str:
    return ", ".join(f"“{e.name}”" for e in elements)


def _reveal_set(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    if not chosen:
        return _ready_reveal_set(bench, "tabs" if what == "reveal_set" else what, name)
    found = revealed_by(chosen)
    bare = [trigger for trigger, shown in found if not shown]
    places = _panel_places(bench, bare, what)
    items = []
    for trigger, shown in found:
        if not shown:
            panel = bench.put_in("text", f"{trigger.name}, panel", places[trigger.id],
                                 f"What “{trigger.name}” reveals")
        items.append(Revealed(trigger=trigger.id, shows=tuple(e.id for e in shown) or (panel,)))
    if any(shown for _, shown in found) and any(len(shown) != 1 for _, shown in found):
        bench.notes += [
            f"“{trigger.name}” shows {_listed(shown) if shown else 'a new panel'}."
            for trigger, shown in found]
    return RevealSet(id=bench.fresh(), name=name, items=tuple(items), **_manner(what))


def _panel_places(bench: _Bench, triggers: list[Element], what: str) -> dict[str, Place]:
    """Return where the new panels of `triggers` stand: of tabs, markers and years all in one place
    below or above them, else each under its own."""
    if what in ("tabs", "markers", "timeline") and triggers:
        left, top, w, h = middle(bench.size)
        end = max(e.y + e.h for e in triggers) + 16
        start = min(e.y for e in triggers) - 16
        room = top + h - end
        place = (left, end, w, room) if room >= _LEAST_PANEL else (
            left, max(start - _LEAST_PANEL, 0), w, _LEAST_PANEL)
        return dict.fromkeys((e.id for e in triggers), place)
    return {e.id: (e.x, e.y + e.h + 16, max(e.w, 260), _LEAST_PANEL) for e in triggers}


_LEAST_PANEL = 120


def _ready_reveal_set(bench: _Bench, what: str, name: str) -> Pattern:
    items = []
    for n, (box, panel) in enumerate(revealing(what, bench.count or 3, bench.size)):
        title = _TITLES[n] if n < len(_TITLES) else f"Number {n + 1}"
        label = str(n + 1) if what == "markers" else title
        trigger = bench.put_in("button", title, box, label)
        text = bench.put_in("rectangle", f"{title}, panel", panel, f"What “{title}” reveals")
        items.append(Revealed(trigger=trigger, shows=(text,)))
    return RevealSet(id=bench.fresh(), name=name, items=tuple(items), **_manner(what))


def _manner(what: str) -> dict[str, bool]:
    """How an arrangement behaves: of tabs and years one is always open, cards stay open."""
    always = what in ("tabs", "timeline")
    return {"first_open": always, "closes_again": not always, "one_at_a_time": what != "cards"}


def _seen_counter(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    sets = [pattern for pattern in bench.slide.patterns if pattern.kind in SETS]
    if not sets:
        raise CannotMake("There is nothing to count here yet: make a reveal set, flip cards, a "
                         "checklist or places to spot first.")
    if len(sets) > 1:
        bench.notes.append(f"It counts what is left of “{sets[-1].name}”.")
    text = next((e.id for e in chosen if isinstance(e, Text)), None) or bench.put(
        "text", "Counter", bench.size.w - 380, bench.size.h - 54, 300, 44, "# still to see")
    return SeenCounter(id=bench.fresh(), name=name, text=text, set=sets[-1].id)


def _flip_cards(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    cards = []
    if chosen:
        if len(chosen) < 2:
            raise CannotMake("A card needs two sides: select its front and its back, or nothing.")
        found = two_sides(chosen)
        cards += [Card(front=front.id, back=back.id) for front, (back,) in found]
        if 2 * len(found) < len(chosen):
            bench.notes += [f"“{front.name}” has the back “{back.name}”."
                            for front, (back,) in found]
    else:
        for n, box in enumerate(bench.places(3)):
            front = bench.put_in("rectangle", f"Card {n + 1}, front", box, f"Front {n + 1}")
            back = bench.put_in("rectangle", f"Card {n + 1}, back", box, f"Back {n + 1}")
            cards.append(Card(front=front, back=back))
    return FlipCards(id=bench.fresh(), name=name, cards=tuple(cards))


def _steps(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    buttons = [e for e in chosen if isinstance(e, Button)]
    shown = [e.id for e in chosen if not isinstance(e, Button)]
    size = bench.size
    if not shown:
        shown = [
            bench.put("rectangle", f"Step {n}", 80, 180, size.w - 160, size.h - 340, f"Step {n}")
            for n in range(1, (bench.count or 3) + 1)
        ]
    onward = buttons[0].id if buttons else bench.put(
        "button", "Next step", size.w - 80 - 200, size.h - 130, 200, 56, "Next step")
    back = buttons[1].id if len(buttons) > 1 else bench.put(
        "button", "Step back", 80, size.h - 130, 200, 56, "Step back")
    return Steps(id=bench.fresh(), name=name, steps=tuple(Step(shows=(s,)) for s in shown),
                 onward=onward, back=back)


def _before_after(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    if chosen and len(chosen) < 2:
        raise CannotMake("Select two pictures, the one before and the one after, or nothing.")
    if chosen:
        first, second = chosen[0].id, chosen[1].id
    else:
        left, top, w, h = middle(bench.size)
        box = (left + w / 7, top, w - 2 * w / 7, h)
        first = bench.put("picture", "Before", *box)
        second = bench.put("picture", "After", *box)
    return BeforeAfter(id=bench.fresh(), name=name, before=first, after=second)


def _checklist(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    count = bench.count or 4
    places = bench.places(count) if count > 5 else column(count, middle(bench.size), 16, 76)
    items = [e.id for e in chosen] or [
        bench.put_in("rectangle", f"Task {n}", place, f"Something to do {n}")
        for n, place in enumerate(places, 1)
    ]
    return Checklist(id=bench.fresh(), name=name, items=tuple(items))


def _choose_path(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    triggers = [e.id for e in chosen] or [
        bench.put_in("button", f"Path {n}", _no_higher(place, 120), f"Go this way {n}")
        for n, place in enumerate(bench.places(2), 1)
    ]
    return ChoosePath(id=bench.fresh(), name=name,
                      paths=tuple(PathChoice(trigger=trigger) for trigger in triggers))


def _no_higher(place: Place, most: float) -> Place:
    left, top, w, h = place
    return left, top + max(h - most, 0) / 2, w, min(h, most)


def _spot_places(bench: _Bench, chosen: list[Element], what: str, name: str) -> Pattern:
    places = [e.id for e in chosen if isinstance(e, Area)] or [
        bench.put("area", f"Place {n}", x + w / 2 - 45, y + h / 2 - 45, 90, 90, f"Place {n}")
        for n, (x, y, w, h) in enumerate(bench.places(3), 1)
    ]
    return SpotPlaces(id=bench.fresh(), name=name, places=tuple(places))


_MAKERS: dict[str, Callable[[_Bench, list[Element], str, str], Pattern]] = {
    "reveal_set": _reveal_set, "seen_counter": _seen_counter, "flip_cards": _flip_cards,
    "steps": _steps, "before_after": _before_after, "checklist": _checklist,
    "choose_path": _choose_path, "spot_places": _spot_places,
}
