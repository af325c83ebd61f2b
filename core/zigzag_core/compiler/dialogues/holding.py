"""Advice that is held back to the end of a dialogue."""

from zigzag_core.course.dialogues import SaidLine

from .moments import Moments


def held_lines(moments: Moments) -> frozenset[int]:
    """Return the moments at which nothing is seen yet: advice that is given with the end.

    Advice in a turn that ends the dialogue is given there, and so is that which replies follow, or
    with which the dialogue begins.
    """
    dialogue = moments.dialogue
    if dialogue.advice == "at_once":
        return frozenset()
    first = moments.first_in(moments.graph.first)
    return frozenset(
        one.number for one in moments.all
        if isinstance(one.line, SaidLine) and one.line.speaker is None
        and not one.replied and one is not first
        and dialogue.turns[moments.turn_of(one)].ending is None)
