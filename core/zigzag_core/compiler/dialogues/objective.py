"""A dialogue as an objective of its own."""

from zigzag_core.course import Slide
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.names import Names
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.script import EndingKind
from zigzag_core.dialogue.ways import ways_of
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.program import ProgramObjective

from ..record_names import record_name
from .asking import gone_through
from .moments import end_of, question_of


def dialogue_objectives(slide: Slide) -> tuple[ProgramObjective, ...]:
    """Return what the dialogues of `slide` are told as: passed where one has ended well once.

    One that has ended badly only has failed; one without good and bad endings is completed.
    """
    return tuple(map(_objective, (one for one in slide.dialogues if one.turns)))


def _objective(dialogue: Dialogue) -> ProgramObjective:
    questions = tuple(question_of(beat) for beat in dialogue.beats if beat.replies)
    graph = graph_of(script_of(dialogue, Names()))
    most = ways_of(graph).points.most if graph and dialogue.purpose == "scored" else 0
    return ProgramObjective(
        record=record_name(dialogue.name, dialogue.id), title=dialogue.name,
        questions=questions, most=most or 0,
        passed=_ended(dialogue, "good"), failed=_ended(dialogue, "bad"),
        completed=gone_through([dialogue], every=False))


def _ended(dialogue: Dialogue, how: EndingKind) -> Node:
    ends: list[Node] = [["variable", end_of(turn.id)] for turn in dialogue.turns
                        if turn.ending == how]
    return joined("or", ends) if ends else False
