"""What rules and gates ask of dialogues: which are over, what was reached, what was replied."""

from collections.abc import Callable, Iterable
from typing import Any

from zigzag_core.course import Slide
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.names import Names
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.ways import ways_of
from zigzag_core.editing.dialogues.scripts import script_of

from .flow import Flow, flow_of
from .moments import (
    again_of,
    back_of,
    count_of,
    end_of,
    moments_of,
    onward_of,
    question_of,
    reply_of,
)


def asked_in_dialogues(slide: Slide) -> set[str]:
    """Return the ids of the questions that the dialogues of `slide` ask."""
    return {question_of(beat) for dialogue in slide.dialogues for beat in dialogue.beats}


def reachable_in_dialogues(slide: Slide) -> dict[str, dict[str, Any]]:
    """Return what the questions of dialogues are told of each other, by their ids.

    One way through a dialogue asks only some of them: together they give what the best way does,
    and none is open any more once the dialogue has ended.
    """
    found: dict[str, dict[str, Any]] = {}
    for dialogue in slide.dialogues:
        graph = graph_of(script_of(dialogue, Names()))
        most = ways_of(graph).points.most if graph else None
        ends = tuple(end_of(turn.id) for turn in dialogue.turns if turn.ending is not None)
        for beat in dialogue.beats:
            best = max((reply.points or 0 for reply in beat.replies), default=0)
            changes: dict[str, Any] = {"closed_by": ends}
            if most is not None and best > 0:
                # The first one stands for all.
                changes["most"], most = most, 0.0
            found[question_of(beat)] = changes
    return found


def operated_in_dialogues(slide: Slide) -> set[str]:
    """Return the ids of the elements by which one replies, goes on and starts again."""
    found: set[str] = set()
    for dialogue in slide.dialogues:
        moments = moments_of(dialogue)
        found |= {again_of(dialogue), back_of(dialogue)}
        found.update(map(onward_of, moments.all if moments else ()))
        found.update(reply_of(reply) for beat in dialogue.beats for reply in beat.replies)
    return found


def gone_through(dialogues: Iterable[Dialogue], every: bool) -> Node:
    """Return the condition that each dialogue has ended once; with `every` ending that it has."""
    conditions: list[Node] = []
    for dialogue in dialogues:
        ends: list[Node] = [["variable", end_of(turn.id)] for turn in dialogue.turns
                            if turn.ending is not None]
        flow = None if ends else flow_of(dialogue)
        if ends:
            conditions.append(joined("and" if every else "or", ends))
        elif flow:
            conditions.append(flow.over())
    return joined("and", conditions) if conditions else True


def reached(slide: Slide, turn: str) -> tuple[str, Node] | None:
    """Return the variable that changes when a turn is reached, and the condition that it was."""
    return _when(slide, turn, Flow.reached)


def ended_with(slide: Slide, turn: str) -> tuple[str, Node] | None:
    """Return the variable that changes when a dialogue ends with a turn, and the condition."""
    return _when(slide, turn, Flow.over)


def endings_on(slide: Slide) -> tuple[str, ...]:
    """Return the turns that end the dialogues of `slide`."""
    return tuple(turn.id for dialogue in slide.dialogues for turn in dialogue.turns
                 if turn.ending is not None)


def _when(
    slide: Slide, turn: str, condition: Callable[[Flow, str], Node]
) -> tuple[str, Node] | None:
    for dialogue in slide.dialogues:
        if any(one.id == turn for one in dialogue.turns):
            flow = flow_of(dialogue)
            return None if flow is None else (count_of(dialogue), condition(flow, turn))
    return None
