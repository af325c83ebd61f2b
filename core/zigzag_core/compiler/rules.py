"""From authors' rules to the program's."""

from collections.abc import Callable, Iterable
from typing import Any

from zigzag_core import program as p
from zigzag_core.course import Rule, Slide
from zigzag_core.course.rules import rule as rules
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.rules.rule import THIS, Action

from .dialogues.asking import ended_with, endings_on, reached
from .dialogues.going import beginning
from .dialogues.moments import count_of, question_of, reply_of, said_in
from .names import internal
from .scope import Scope


def program_rules(
    own: Iterable[Rule], owner: str, scope: Scope, slide: Slide | None
) -> tuple[p.ProgramRule, ...]:
    """Return the rules that `owner` (an element, overlay or slide; the course) was given."""
    return tuple(
        made for rule in own if not rule.off for made in _rule(rule, owner, scope, slide)
    )


def _rule(
    rule: Rule, owner: str, scope: Scope, slide: Slide | None
) -> Iterable[p.ProgramRule]:
    targets = getattr(rule.when, "of", ()) or (owner,)
    if rule.when.event == "dialogue_ended" and targets == (owner,) and slide:
        targets = endings_on(slide)
    for number, target in enumerate(targets):
        made = _for_target(rule, target, owner, scope, slide)
        yield made.model_copy(update={"id": f"{rule.id}_{number}"}) if number else made


def _for_target(
    rule: Rule, target: str, owner: str, scope: Scope, slide: Slide | None
) -> p.ProgramRule:
    when, condition = rule.when, rule.condition
    common: dict[str, Any] = {
        "id": rule.id, "on": when.event, "target": target,
        "then": _actions(rule.do, target, scope, slide),
        "otherwise": _actions(rule.otherwise, target, scope, slide),
    }
    match when:
        case rules.KeyPressed(key=key):
            common |= {"target": _clock_owner(owner, scope, slide), "detail": key}
        case rules.Dropped(on=on):
            common["detail"] = on
        case rules.CueReached(cue=cue):
            common |= {"target": _clock_owner(owner, scope, slide), "detail": cue}
        case rules.MediaReached(at=at):
            common |= {"detail": str(round(at * 1000)), "after": round(at * 1000)}
        case rules.Timer(after=after, again=again):
            common |= {
                "target": _clock_owner(owner, scope, slide), "detail": rule.id,
                "after": round(after * 1000), "again": again,
            }
        case rules.Happens(event="timing_ended"):
            common["target"] = _clock_owner(target, scope, slide)
        case rules.Happens(event="turn_reached" | "dialogue_ended" as event) if slide:
            found = (reached if event == "turn_reached" else ended_with)(slide, target)
            variable, holds = found or (None, False)
            common |= {"on": "variable_changed", "target": variable}
            condition = ["and", holds, condition]
        case rules.Happens(event="reply_given"):
            common |= {"on": "clicked", "target": internal(target, "e")}
        case rules.Happens(event="all_seen") if target in scope.steps:
            common |= {"on": "variable_changed", "target": internal(target, "far")}
            condition = ["and", ["all_seen", target], condition]
        case rules.Happens(
            event="slide_entered" | "slide_left" | "quiz_passed" | "quiz_failed" | "quiz_finished"
        ) if owner == p.COURSE:
            common["target"] = None if not when.of else target
        case rules.Happens(event="quiz_passed" | "quiz_failed" | "quiz_finished", of=()) if slide:
            around = scope.quiz_for(slide.id)
            common["target"] = around[0] if around else owner
    return p.ProgramRule(condition=program_expression(condition, scope), **common)


def _clock_owner(owner: str, scope: Scope, slide: Slide | None) -> str:
    """The overlay, slide or course whose time and keys a rule of `owner` goes by."""
    if slide is None or owner in scope.overlays or owner == slide.id:
        return owner
    on = next((e.overlay for e in slide.elements if e.id == owner), None)
    return on or slide.id


def program_expression(node: Node, scope: Scope) -> Node:
    """Return `node` with what only authors know put into the engine's terms."""
    if not isinstance(node, (list, tuple)) or not node:
        return node
    operator, *arguments = node
    if operator in ("all_seen", "seen_of", "left_of") and arguments[0] in scope.steps:
        seen, count = ["variable", internal(arguments[0], "far")], scope.steps[arguments[0]]
        by_operator: dict[str, Node] = {
            "all_seen": [">=", seen, count], "seen_of": seen, "left_of": ["-", count, seen]}
        return by_operator[operator]
    if operator == "shown" and arguments[0] in scope.overlays:
        return ["open", arguments[0]]
    return [operator, *(program_expression(part, scope) for part in arguments)]


def _actions(
    actions: Iterable[Action], target: str, scope: Scope, slide: Slide | None
) -> tuple[p.Action, ...]:
    return tuple(
        made for action in actions for made in _action(action, target, scope, slide)
    )


def _action(
    action: Action, target: str, scope: Scope, slide: Slide | None
) -> Iterable[p.Action]:
    def meant(name: str) -> str:
        return target if name == THIS else name

    match action:
        case rules.GoTo(go=go):
            yield p.Go(to=go.to, slide=go.held.get("slide"))
        case rules.RunTiming(action=how, of=of):
            owner = of or (slide.id if slide else None)
            if owner:
                yield p.RunClock(of=owner, run=how.removesuffix("_timing"))
        case rules.OfQuestion(action=how, question=question):
            yield p.Submit(question=question) if how == "submit" else p.Reset(question=question)
        case rules.StartOver():
            yield from start_over(action, scope, slide)
        case rules.Calculate() | rules.Switch() | rules.Pick() | rules.Take():
            yield from _to_variable(action, meant, scope)
        case (
            rules.ShowOrHide() | rules.EnableOrDisable() | rules.GiveLook() | rules.PlayMedia()
            | rules.MoveAlong()
        ):
            yield from _to_element(action, meant, scope)
        case _:
            yield from _to_outside(action)


Meant = Callable[[str], str]
"""Gives the element that an id in an action stands for."""


def _to_element(action: Action, meant: Meant, scope: Scope) -> Iterable[p.Action]:
    """What is done to an element, or to an overlay."""
    match action:
        case rules.ShowOrHide(action="toggle", what=what):
            yield p.Toggle(element=meant(what))
        case rules.ShowOrHide(action="show", what=what):
            name = meant(what)
            yield p.OpenOverlay(overlay=name) if name in scope.overlays else p.Show(element=name)
        case rules.ShowOrHide(what=what):
            name = meant(what)
            yield p.CloseOverlay(overlay=name) if name in scope.overlays else p.Hide(element=name)
        case rules.EnableOrDisable(action=how, what=what):
            yield (p.Enable if how == "enable" else p.Disable)(element=meant(what))
        case rules.GiveLook(what=what, look=look):
            yield p.SetLook(element=meant(what), look=look)
        case rules.PlayMedia(action=how, what=what, at=at):
            yield p.PlayMedia(element=meant(what), run=how, at=round(at * 1000))
        case rules.MoveAlong(what=what, move=move):
            yield p.MoveElement(element=meant(what), move=move)


def _to_variable(action: Action, meant: Meant, scope: Scope) -> Iterable[p.Action]:
    """What is done to a variable."""
    match action:
        case rules.Calculate(action=how, variable=variable, value=value):
            value = program_expression(value, scope)
            operator = {"add": "+", "multiply": "*"}.get(how)
            yield p.SetVariable(variable=variable, value=(
                [operator, ["variable", variable], value] if operator else value
            ))
        case rules.Switch(variable=variable):
            yield p.SetVariable(variable=variable, value=["not", ["variable", variable]])
        case rules.Pick(variable=variable, low=low, high=high, texts=texts):
            yield p.PickNumber(variable=variable, low=low, high=high, texts=texts)
        case rules.Take(variable=variable, input=field):
            source = scope.inputs.get(meant(field))
            if source:
                yield p.SetVariable(variable=variable, value=["variable", source])


def _to_outside(action: Action) -> Iterable[p.Action]:
    """What the page around the run does, and waiting."""
    match action:
        case rules.Mark(status=status):
            yield p.Mark(status=status)
        case rules.OpenLink(address=address) if address:
            yield p.OpenLink(address=address)
        case rules.Print():
            yield p.Print()
        case rules.Announce(text=text):
            yield p.Announce(text=text)
        case rules.PlaySound(media=media) if media:
            yield p.PlaySound(media=media)
        case rules.Wait(seconds=seconds):
            yield p.Wait(ms=round(seconds * 1000))


def _dialogue_over(
    action: rules.StartOver, scope: Scope, slide: Slide | None
) -> Iterable[p.Action]:
    """Clear a dialogue of the slide: what was said, and what its replies have changed.

    One that does not stand at its beginning from the start begins with it.
    """
    dialogues = slide.dialogues if slide else ()
    found = next((one for one in dialogues if action.dialogue in (None, one.id)), None)
    if found is None:
        return
    replies = [reply for beat in found.beats for reply in beat.replies]
    changed = {change.variable for reply in replies for change in reply.changes}
    yield p.Clear(
        elements=tuple(map(reply_of, replies)),
        questions=() if "answers" in action.keep
        else tuple(question_of(beat) for beat in found.beats if beat.replies),
        variables=(*(() if "variables" in action.keep else sorted(changed)),
                   count_of(found), said_in(found)))
    yield from _actions(beginning(found), found.id, scope, slide)


def start_over(
    action: rules.StartOver, scope: Scope, slide: Slide | None
) -> Iterable[p.Action]:
    """Draw the quizzes of what is begun again anew, clear it, and go to where it begins."""
    order = scope.order
    here = slide.id if slide else order[0]
    if action.what == "dialogue":
        yield from _dialogue_over(action, scope, slide)
        return
    match action.what:
        case "slide":
            slides: tuple[str, ...] = (here,)
        case "section":
            slides = scope.section_of(here)
        case "quiz":
            quiz = scope.quiz_for(here)
            slides = quiz[1] if quiz else tuple(
                name for name in order if scope.contents[name].questions)
        case "course":
            slides = order
    parts = [scope.contents[name] for name in slides]
    if "variables" in action.keep:
        variables: set[str] = set()
    elif action.what == "course":
        variables = set(scope.variables)
    else:
        variables = {name for part in parts for name in part.changes}
    for name in scope.details & scope.contents.keys():
        variables.difference_update(scope.contents[name].changes)
    if action.what != "slide":
        yield from (
            p.DrawAgain(quiz=quiz, stops=action.what == "quiz")
            for quiz, own in scope.quizzes if own[0] in slides)
    yield p.Clear(
        slides=() if "seen" in action.keep else slides,
        elements=tuple(name for part in parts for name in part.elements)
        if "seen" in action.keep else (),
        questions=() if "answers" in action.keep
        else tuple(name for part in parts for name in part.questions),
        variables=(*sorted(variables), *(name for part in parts for name in part.keeps)),
    )
    yield p.Enter(slide=slides[0] if slides else here)
