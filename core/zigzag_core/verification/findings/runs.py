"""Checks by running: what no way through a slide does, shows or leads out of."""

from collections.abc import Iterator

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import CourseDocument, Nowhere, Rule, Slide
from zigzag_core.course.model import Model
from zigzag_core.course.names import some_of
from zigzag_core.course.reporting import Progress, portion, untold
from zigzag_core.course.rules.rule_use import rules_on
from zigzag_core.engine.index import Index
from zigzag_core.errors import NothingToPublish

from ..exploration.exploring import explore
from ..exploration.seen import Explored, SlideSeen
from .finding import Finding
from .rules import rule_findings, sentence_names


class Tried(Model):
    """What running a course found, and in words how far the running got."""

    findings: tuple[Finding, ...] = ()
    statement: str = ""
    whole: bool = True


def try_out(document: CourseDocument, progress: Progress = untold) -> Tried:
    """Return what is found by trying all that learners can do, within the bounds.

    `progress` is told the share of the slides that were tried, from 0 to 1.
    """
    try:
        index = Index(compile_course(document, by_digest, portion(progress, 0, 0.2)))
    except NothingToPublish:
        return Tried(statement="There is nothing to try yet.")
    explored = explore(index, portion(progress, 0.2, 1))
    return Tried(
        findings=tuple(
            finding for slide in document.slides
            for finding in _slide(slide, explored.slides[slide.id], document)
        ),
        statement=_statement(explored, document), whole=explored.whole,
    )


def _statement(explored: Explored, document: CourseDocument) -> str:
    left = [slide.title for slide in document.slides if not explored.slides[slide.id].whole]
    tried = f"{explored.steps:,} things that learners can do were tried, slide by slide."
    if not left:
        return f"{tried} That is all there is."
    slides = "1 slide" if len(left) == 1 else f"{len(left)} slides"
    return f"{tried} On {slides} there is more than could be tried; nothing is claimed there of " \
           f"what never happens: {some_of(left)}."


def _slide(slide: Slide, seen: SlideSeen, document: CourseDocument) -> Iterator[Finding]:
    names = {part.id: part.name for part in (*slide.elements, *slide.overlays)}
    elements = {e.id for e in slide.elements}
    owners = {rule.id: (rule, owner) for rule, owner in rules_on(slide) if not rule.off}

    def about(owner: str | None, level: str, code: str, message: str) -> Finding:
        return Finding.model_validate({
            "level": level, "code": code, "message": message, "slide": slide.id,
            "element": owner if owner in elements else None,
        })

    sentence = sentence_names(slide)
    for rule_id in sorted({_own(rule) for rule in seen.loops} & owners.keys()):
        yield about(owners[rule_id][1], "error", "rule_loop",
                    f"{sentence[rule_id]} sets itself off again and again; the run stops it.")
    reported: set[tuple[str, str]] = set()
    for (first, second), thing in sorted(seen.opposed.items()):
        if _own(first) in owners and _own(second) in owners and (thing, second) not in reported:
            reported.add((thing, second))
            yield about(owners[_own(second)][1], "warning", "rules_opposed",
                        f"{sentence[_own(first)]} and {_lower(sentence[_own(second)])} undo each "
                        f"other: one shows, the other hides “{names.get(thing, 'the same thing')}” "
                        "on the same event.")
    if not seen.whole:
        return
    known = [(each.code, each.message) for each in rule_findings(slide, document)]
    # What a thing that is never there does not do follows from that, and stands below it.
    for element in slide.elements:
        on_closed = element.overlay is not None and element.overlay not in seen.opened
        if element.kind != "group" and element.id not in seen.shown and not on_closed:
            yield about(element.id, "warning", "never_shown",
                        f"Nothing that can happen shows “{element.name}”.")
    for overlay in slide.overlays:
        if overlay.id not in seen.opened and not any(
                code == "overlay_never_opens" and f"“{overlay.name}”" in message
                for code, message in known):
            yield about(None, "warning", "overlay_never_opens",
                        f"Nothing that can happen opens the overlay “{overlay.name}”.")
    yield from (
        about(owner, "warning", "rule_never_runs", f"{sentence[rule.id]} {words}.")
        for rule, owner in owners.values() if (words := _never(rule, seen))
    )
    last = slide.id == document.course.slides[-1]
    if not seen.passable and all(code != "gate_never_opens" for code, _ in known):
        yield about(None, "error", "gate_never_opens",
                    f"The gate of “{slide.title}” can never open.")
    elif seen.passable and not seen.left and not last and not isinstance(slide.onward, Nowhere):
        yield about(None, "error", "no_way_out",
                    f"Nothing that can happen leads on from “{slide.title}”.")


def _lower(words: str) -> str:
    return words[:1].lower() + words[1:]


def _own(rule: str) -> str:
    """The author's rule of a rule of the program, which may be one of several made from it."""
    return rule.split("_")[0]


def _never(rule: Rule, seen: SlideSeen) -> str | None:
    ran = {_own(name) for name in seen.ran}
    held = {_own(name) for name in seen.held}
    if rule.condition is False or not (rule.do or rule.otherwise):
        return None  # That is seen without running it.
    if rule.id not in ran:
        return "can never run: what it waits for never happens"
    if rule.id not in held and rule.condition is not True and rule.do:
        return "never does what it says: its condition never holds"
    return None
