"""Dialogues become elements, questions and rules of their slide, before it is compiled.

A variable counts what is said: each line is a *moment* of the dialogue, with a number from 1. What
is seen at a moment is shown under the condition that the variable has its number. The replies to a
line are the answers of a question that is judged at once.
"""

from collections.abc import Iterator, Sequence
from typing import Any

from zigzag_core.course import Button, Element, NumberVariable, Rule, Slide, Text
from zigzag_core.course.dialogues import (
    Dialogue,
    DialogueBeat,
    DialogueReply,
    SaidLine,
    ValueChange,
)
from zigzag_core.course.names import Names
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.questions.question import Choice, Question, SingleChoice
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.rules.rule import Action, Calculate, OfQuestion
from zigzag_core.course.style.theme import NamedStyle, StyleUse
from zigzag_core.course.text.rich_text import Block, RichText, TextRun
from zigzag_core.dialogue.graph import Graph, graph_of
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.words import Say

from .names import internal

_GAP = 12.0
_REPLY = 64.0


def acted(slide: Slide, styles: tuple[NamedStyle, ...], say: Say) -> Slide:
    """Return `slide` with what its dialogues come to, in the course's `styles` and words.

    The slide is as its layout makes it look.
    """
    if not slide.dialogues:
        return slide
    stages = [_Stage(dialogue, graph, styles, say) for dialogue, graph in _played(slide)]
    return slide.model_copy(update={
        "elements": (*slide.elements, *(one for stage in stages for one in stage.elements)),
        "questions": (*slide.questions, *(one for stage in stages for one in stage.questions))})


def kept_by_dialogues(slide: Slide) -> list[NumberVariable]:
    """Return the variables that count what is said in the dialogues of `slide`."""
    return [NumberVariable(
        id=_count_of(dialogue), name=dialogue.name, decimals=0,
        default=_Moments(dialogue, graph).of(graph.first)) for dialogue, graph in _played(slide)]


def asked_in_dialogues(slide: Slide) -> set[str]:
    """Return the ids of the questions that the dialogues of `slide` ask."""
    return {_question_of(beat) for dialogue in slide.dialogues for beat in dialogue.beats}


def _played(slide: Slide) -> Iterator[tuple[Dialogue, Graph]]:
    for dialogue in slide.dialogues:
        graph = graph_of(script_of(dialogue, Names()))
        if graph is not None:
            yield dialogue, graph


class _Moments:
    """When what is said in a dialogue."""

    def __init__(self, dialogue: Dialogue, graph: Graph) -> None:
        self.graph = graph
        # The steps of the graph and the beats stand in the same order, that of the script.
        beats = iter(_in_order(dialogue))
        self.beats: dict[int, DialogueBeat] = {
            number: next(beats) for number, step in enumerate(graph.steps) if step.beat}
        self.first: dict[int, int] = {}
        """The moment with which a step begins; of those at which something is seen."""
        self.asks: dict[int, str] = {}
        """The question of the step that begins with a moment, where it asks one."""
        count = 1
        for number, beat in self.beats.items():
            said = len(_said(beat))
            if said or beat.replies:
                self.first[number] = count
                if beat.replies:
                    self.asks[count] = _question_of(beat)
                count += max(said, 1)

    def of(self, step: int) -> int:
        """Return the first moment of `step`, or of what follows where nothing is seen in it.

        Below 0 is the end: of the turn with that number, counted from 1.
        """
        been: set[int] = set()
        while step not in self.first:
            found = self.graph.steps[step]
            if found.beat is None or step in been:
                return -1 - found.turn
            been.add(step)
            step = found.ways[0].to
        return self.first[step]


class _Stage:
    """What one dialogue comes to."""

    def __init__(
        self, dialogue: Dialogue, graph: Graph, styles: tuple[NamedStyle, ...], say: Say
    ) -> None:
        self.dialogue, self.graph = dialogue, graph
        self.moments = _Moments(dialogue, graph)
        self.make = Maker(lambda: "", styles, say)
        self.speakers = {speaker.id: speaker.name for speaker in dialogue.speakers}
        self.elements: list[Element] = []
        self.questions: list[Question] = []
        for step, beat in self.moments.beats.items():
            self._play(step, beat)

    def _play(self, step: int, beat: DialogueBeat) -> None:
        lines = _said(beat)
        for place, line in enumerate(lines):
            now = self.moments.first[step] + place
            self.elements.append(self._line(line, now))
            last = place + 1 == len(lines)
            if last and beat.replies:
                continue
            to = self.moments.of(self.graph.steps[step].ways[0].to) if last else now + 1
            if to > 0:
                self.elements.append(self._onward(line, now, to))
        if beat.replies:
            self._ask(step, beat, lines[-1] if lines else None)

    def _line(self, line: SaidLine, now: int) -> Text:
        who = self.speakers.get(line.speaker or "", "")
        mood = f" ({line.mood})" if line.mood else ""
        blocks = [Block(runs=(TextRun(text=line.text),))]
        if who:
            blocks.insert(0, Block(runs=(TextRun(text=who, bold=True), *(
                [TextRun(text=mood)] if mood else []))))
        at = self.dialogue
        return Text(
            id=_words_of(line), name=who or "Advice", x=at.x, y=at.y, w=at.w, h=at.h * 0.4,
            text=RichText(blocks=tuple(blocks)), shown=self._is(now), **self._follow("text"))

    def _onward(self, line: SaidLine, now: int, to: int) -> Button:
        at = self.dialogue
        return Button(
            id=internal(line.id, "g"), name="Continue", label=self.make.say("continue"),
            x=at.x, y=at.y + at.h * 0.4 + _GAP, w=200, h=_REPLY, shown=self._is(now),
            rules=(Rule(id=internal(line.id, "r"), do=tuple(self._goes(to))),),
            **self._follow("button"))

    def _ask(self, step: int, beat: DialogueBeat, line: SaidLine | None) -> None:
        now = self.moments.first[step] + max(len(_said(beat)) - 1, 0)
        ways = self.graph.steps[step].ways
        most = max((reply.points or 0 for reply in beat.replies), default=0)
        judged = any(reply.points is not None for reply in beat.replies)
        for place, (reply, way) in enumerate(zip(beat.replies, ways, strict=True)):
            self.elements.append(self._reply(reply, now, self.moments.of(way.to), place))
        name = line.text if line else beat.replies[0].text
        self.questions.append(SingleChoice(
            id=_question_of(beat), name=name[:200] or self.dialogue.name,
            purpose="scored" if judged else "survey", judged="at_once", partial="per_answer",
            prompt=_words_of(line) if line else None, points=max(most, 0), choices=tuple(
                Choice(id=internal(reply.id, "p"), element=internal(reply.id, "e"),
                       right=judged and (reply.points or 0) == most, points=reply.points or 0)
                for reply in beat.replies)))

    def _reply(self, reply: DialogueReply, now: int, to: int, place: int) -> Text:
        name = internal(reply.id, "e")
        shown: list[Node] = ["and", self._is(now)]
        if reply.condition is not True:
            shown.append(reply.condition)
        if reply.once:
            shown.append(["not", ["clicked", name]])
        at = self.dialogue
        return Text(
            id=name, name=reply.text[:200] or "Reply", x=at.x,
            y=at.y + at.h * 0.4 + _GAP + place * (_REPLY + _GAP), w=at.w, h=_REPLY,
            text=RichText(blocks=(Block(runs=(TextRun(text=reply.text),)),)),
            shown=shown if len(shown) > 2 else shown[1],
            rules=(Rule(id=internal(reply.id, "r"), do=(
                *map(_changed, reply.changes), *self._goes(to))),),
            **self._follow("answer"))

    def _goes(self, to: int) -> Iterator[Action]:
        """Go to a moment. What was answered there is asked again: the last answer counts."""
        question = self.moments.asks.get(to)
        if question is not None:
            yield OfQuestion(action="reset", question=question)
        yield Calculate(action="set", variable=_count_of(self.dialogue), value=to)

    def _is(self, moment: int) -> Node:
        return ["=", ["variable", _count_of(self.dialogue)], moment]

    def _follow(self, use: StyleUse) -> dict[str, Any]:
        return self.make.follow(use)


def _in_order(dialogue: Dialogue) -> Iterator[DialogueBeat]:
    by_id = {beat.id: beat for beat in dialogue.beats}

    def passage(names: Sequence[str]) -> Iterator[DialogueBeat]:
        for name in names:
            beat = by_id[name]
            yield beat
            for reply in beat.replies:
                yield from passage(reply.then)

    for turn in dialogue.turns:
        yield from passage(turn.beats)


def _said(beat: DialogueBeat) -> list[SaidLine]:
    return [line for line in beat.lines if isinstance(line, SaidLine)]


def _changed(change: ValueChange) -> Calculate:
    return Calculate(action="set" if change.sets else "add", variable=change.variable,
                     value=change.number)


def _count_of(dialogue: Dialogue) -> str:
    return internal(dialogue.id, "at")


def _words_of(line: SaidLine) -> str:
    return internal(line.id, "w")


def _question_of(beat: DialogueBeat) -> str:
    return internal(beat.id, "q")
