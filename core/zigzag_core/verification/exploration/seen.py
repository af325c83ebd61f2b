"""What was seen to happen on the slides of a course while it was tried out."""

from dataclasses import dataclass, field

from zigzag_core.engine.expression import gate_is_open, is_visible
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State
from zigzag_core.program.events import Effect, Ran
from zigzag_core.program.model import Action


@dataclass
class SlideSeen:
    """What was found on a slide. `whole`: nothing that can happen there was left untried."""

    slide: str
    whole: bool = False
    ran: set[str] = field(default_factory=set)
    held: set[str] = field(default_factory=set)
    shown: set[str] = field(default_factory=set)
    opened: set[str] = field(default_factory=set)
    loops: set[str] = field(default_factory=set)
    opposed: dict[tuple[str, str], str] = field(default_factory=dict)
    """Pairs of rules that show and hide one thing on one event, with that thing."""
    passable: bool = False
    """Whether the slide's gate was open in some situation."""
    left: bool = False
    """Whether something led on from it, other than *Back* and the menu."""


@dataclass(frozen=True)
class Explored:
    """What trying a course out has seen, by slide, in how many steps."""

    slides: dict[str, SlideSeen]
    steps: int

    @property
    def whole(self) -> bool:
        """Whether all that can happen was tried."""
        return all(seen.whole for seen in self.slides.values())


@dataclass(frozen=True)
class Notes:
    """Takes down what happens, slide by slide."""

    index: Index
    slides: dict[str, SlideSeen]

    def look(self, state: State) -> None:
        """Note what is there in a situation."""
        here = self.slides[state.slide or ""]
        here.opened.update(state.overlays)
        for element in self.index.on_slide[here.slide]:
            if element not in here.shown:
                overlay = self.index.overlay_of.get(element)
                at_hand = overlay is None or overlay in state.overlays
                if at_hand and is_visible(self.index, state, element):
                    here.shown.add(element)
        here.passable = here.passable or gate_is_open(self.index, state, here.slide)

    def note(self, log: list[Ran], effects: list[Effect], state: State) -> None:
        """Note which rules ran, and which went against each other."""
        done: dict[tuple[str, str, str, str], str] = {}
        for entry in log:
            bound = self.index.rules[entry["rule"]]
            where = self.slides.get(bound.slide or state.slide or "")
            if where is None:
                continue
            where.ran.add(bound.rule.id)
            if entry["held"]:
                where.held.add(bound.rule.id)
            occasion = entry["event"], entry["target"]
            for action in _at_once(bound.rule.then if entry["held"] else bound.rule.otherwise):
                if action.do not in ("show", "hide"):
                    continue
                other = "hide" if action.do == "show" else "show"
                against = done.get((*occasion, action.element, other))
                if against and against != bound.rule.id:
                    where.opposed.setdefault((against, bound.rule.id), action.element)
                done[(*occasion, action.element, action.do)] = bound.rule.id
        for effect in effects:
            if effect["effect"] == "loop":
                for rule in effect["rules"]:
                    home = self.slides.get(self.index.rules[rule].slide or state.slide or "")
                    if home:
                        home.loops.add(rule)


def _at_once(actions: tuple[Action, ...]) -> tuple[Action, ...]:
    """The actions before the first wait."""
    waits = next((at for at, action in enumerate(actions) if action.do == "wait"), len(actions))
    return actions[:waits]
