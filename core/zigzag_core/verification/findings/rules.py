"""Checks of what a slide does: rules, overlays, gates, variables."""

from collections.abc import Iterator, Sequence

from zigzag_core.course import CourseDocument, Rule, Slide
from zigzag_core.course.rules.gates import AllOfSet, Gate, MediaWatched, QuestionAnswered
from zigzag_core.course.rules.patterns import RevealSet, SeenCounter
from zigzag_core.course.rules.rule import Action, ShowOrHide, Wait
from zigzag_core.course.rules.rule_use import actions_of, rules_on

from .finding import Finding


def rule_findings(slide: Slide, document: CourseDocument) -> Iterator[Finding]:
    """Yield what is wrong with what `slide` does, as far as it can be seen without running it."""
    names = {part.id: part.name for part in (*slide.elements, *slide.overlays)}
    sentence = sentence_names(slide)
    for rule, owner in rules_on(slide):
        place = owner if any(e.id == owner for e in slide.elements) else None
        for code, words in _rule(rule, slide, document, names):
            yield Finding(level="warning", code=code, slide=slide.id, element=place,
                          message=f"{sentence[rule.id]} {words}.")
    yield from _overlays(slide)
    if slide.gate:
        for words in _gate(slide.gate, slide):
            yield Finding(level="error", code="gate_never_opens", slide=slide.id,
                          message=f"The gate of “{slide.title}” can never open: {words}.")


def sentence_names(slide: Slide) -> dict[str, str]:
    """Return how the sentences of `slide` are called, by rule: whose they are, and the how many-th
    where there are several."""
    names = {part.id: part.name for part in (*slide.elements, *slide.overlays)}
    of: dict[str, list[str]] = {}
    for rule, owner in rules_on(slide):
        of.setdefault(owner, []).append(rule.id)
    return {
        rule: f"{'The rule' if len(rules) == 1 else f'Rule {n}'} of "
              f"“{names.get(owner, slide.title)}”"
        for owner, rules in of.items() for n, rule in enumerate(rules, 1)
    }


def _rule(
    rule: Rule, slide: Slide, document: CourseDocument, names: dict[str, str]
) -> Iterator[tuple[str, str]]:
    if rule.off:
        return
    if not rule.do and not rule.otherwise:
        yield "rule_does_nothing", "does nothing yet"
    if rule.condition is False:
        yield "rule_never_runs", "can never run: its condition never holds"
    for actions in _at_once(rule.do):
        shown = [a.what for a in actions if isinstance(a, ShowOrHide) and a.action == "show"]
        hidden = {a.what for a in actions if isinstance(a, ShowOrHide) and a.action == "hide"}
        both = [name for name in shown if name in hidden]
        if both:
            yield "undone", f"shows and hides “{names.get(both[0], 'it')}” at once"
            return


def _at_once(actions: Sequence[Action]) -> Iterator[list[Action]]:
    """The actions in the parts between which a sentence waits."""
    part: list[Action] = []
    for action in actions:
        if isinstance(action, Wait):
            yield part
            part = []
        else:
            part.append(action)
    yield part


def _overlays(slide: Slide) -> Iterator[Finding]:
    """Overlays that nothing opens, and blocking ones that nothing closes."""
    opened = {
        action.what for rule, _ in rules_on(slide) if not rule.off
        for action in actions_of(rule) if isinstance(action, ShowOrHide) and action.action != "hide"
    }
    closed = {
        action.what for rule, _ in rules_on(slide) if not rule.off
        for action in actions_of(rule) if isinstance(action, ShowOrHide) and action.action != "show"
    }
    for pattern in slide.patterns:
        if isinstance(pattern, RevealSet):
            opened |= {name for item in pattern.items for name in item.shows}
    opened |= {overlay.id for overlay in slide.overlays if overlay.shown is not False}
    closed |= {overlay.id for overlay in slide.overlays if not isinstance(overlay.shown, bool)}
    opened |= {e.drag.overlay for e in slide.elements if e.drag and e.drag.overlay}
    leaves = any(
        rule.do and e.overlay for e in slide.elements for rule in e.rules
        if any(action.action in ("go", "start_over") for action in rule.do)
    )
    for overlay in slide.overlays:
        if overlay.id not in opened:
            yield Finding(level="warning", code="overlay_never_opens", slide=slide.id,
                          message=f"Nothing opens the overlay “{overlay.name}”.")
        elif overlay.blocks and not (
            overlay.on_escape or overlay.on_outside or overlay.id in closed or leaves
        ):
            yield Finding(level="error", code="overlay_never_closes", slide=slide.id,
                          message=f"Nothing closes the overlay “{overlay.name}”, and it blocks the "
                                  "slide.")


def _gate(gate: Gate, slide: Slide) -> Iterator[str]:
    sets = {pattern.id for pattern in slide.patterns if not isinstance(pattern, SeenCounter)}
    questions = {question.id for question in slide.questions}
    media = {e.id for e in slide.elements if e.kind in ("video", "audio")}
    for wanted in gate.wants:
        match wanted:
            case AllOfSet(set=name) if name not in sets:
                yield "the set that it waits for is gone"
            case QuestionAnswered(question=name) if name and name not in questions:
                yield "the question that it waits for is gone"
            case MediaWatched(media=name) if name not in media:
                yield "the video or audio that it waits for is gone"
