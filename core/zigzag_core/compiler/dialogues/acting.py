"""A dialogue as elements, questions and rules of its slide, before it is compiled.

What is seen at a moment is shown under the condition that the variable which counts them has its
number. The replies to a line are the answers of a question that is judged at once.
"""

from collections.abc import Iterator
from typing import Any

from zigzag_core.course import (
    Button,
    Element,
    NumberVariable,
    Rule,
    Slide,
    Text,
    TextVariable,
    YesNoVariable,
)
from zigzag_core.course.dialogues import DialogueReply, SaidLine, ValueChange
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.questions.question import Choice, Question, SingleChoice
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.course.rules.rule import Action, Calculate, OfQuestion, StartOver
from zigzag_core.course.style.theme import NamedStyle, StyleUse
from zigzag_core.course.text.rich_text import Block, RichText, TextRun
from zigzag_core.program.limits import LIMITS
from zigzag_core.words import Say

from ..names import internal
from .holding import held_lines
from .moments import (
    Arrival,
    Moment,
    Moments,
    again_of,
    characters,
    count_of,
    end_of,
    is_at,
    moments_of,
    onward_of,
    question_of,
    reply_of,
    said_in,
    words_of,
)

_GAP = 12.0
_REPLY = 64.0


def acted(slide: Slide, styles: tuple[NamedStyle, ...], say: Say) -> Slide:
    """Return `slide` with what its dialogues come to, in the course's `styles` and words.

    The slide is as its layout makes it look.
    """
    if not slide.dialogues:
        return slide
    stages = [_Stage(moments, styles, say) for moments in _played(slide)]
    return slide.model_copy(update={
        "elements": (*slide.elements, *(one for stage in stages for one in stage.elements)),
        "questions": (*slide.questions, *(one for stage in stages for one in stage.questions))})


Kept = NumberVariable | TextVariable | YesNoVariable


def kept_by_dialogues(slide: Slide) -> list[Kept]:
    """Return the variables that remember what was said in the dialogues of `slide`."""
    found: list[Kept] = []
    for moments in _played(slide):
        dialogue, first = moments.dialogue, moments.begins()
        found += [
            NumberVariable(id=count_of(dialogue), name=dialogue.name, decimals=0,
                           default=first.moment),
            TextVariable(id=said_in(dialogue), name=dialogue.name,
                         default=characters(first.happens)[:LIMITS.longest_text]),
            *(YesNoVariable(id=end_of(turn.id), name=turn.name,
                            default=moments.ending_at(first.moment) == turn.id)
              for turn in dialogue.turns if turn.ending is not None)]
    return found


def _played(slide: Slide) -> Iterator[Moments]:
    for dialogue in slide.dialogues:
        moments = moments_of(dialogue)
        if moments is not None:
            yield moments


class _Stage:
    """What one dialogue comes to."""

    def __init__(self, moments: Moments, styles: tuple[NamedStyle, ...], say: Say) -> None:
        self.moments, self.dialogue = moments, moments.dialogue
        self.make = Maker(lambda: "", styles, say)
        self.speakers = {speaker.id: speaker.name for speaker in self.dialogue.speakers}
        self.asks = {one.number: question_of(one.beat) for one in moments.all
                     if one.last and one.beat.replies}
        self.held = held_lines(moments)
        self.elements: list[Element] = []
        self.questions: list[Question] = []
        for one in moments.all:
            self._play(one)
        if self.dialogue.again:
            self.elements.append(self._again())

    def _play(self, one: Moment) -> None:
        if one.line:
            self.elements.append(self._line(one.line, one.number))
        if one.last and one.beat.replies:
            self._ask(one)
            return
        onward = self._onward(one)
        if onward.moment > 0:
            self.elements.append(self._button(
                onward_of(one), "continue", self._is(one.number), *self._goes(onward)))

    def _onward(self, one: Moment, way: int = 0) -> Arrival:
        """What follows a moment: advice that is held back goes by with it."""
        arrival = self.moments.after(one, way)
        happens = arrival.happens
        been: set[int] = set()
        # Advice that leads round to itself is seen after all.
        while arrival.moment in self.held - been:
            been.add(arrival.moment)
            arrival = self.moments.after(self.moments.all[arrival.moment - 1])
            happens += arrival.happens
        return Arrival(arrival.moment, happens)

    def _line(self, line: SaidLine, now: int) -> Text:
        who = self.speakers.get(line.speaker or "", "")
        mood = f" ({line.mood})" if line.mood else ""
        blocks = [Block(runs=(TextRun(text=line.text),))]
        if who:
            blocks.insert(0, Block(runs=(TextRun(text=who, bold=True), *(
                [TextRun(text=mood)] if mood else []))))
        at = self.dialogue
        return Text(
            id=words_of(line), name=who or "Advice", x=at.x, y=at.y, w=at.w, h=at.h * 0.4,
            text=RichText(blocks=tuple(blocks)), shown=self._is(now), **self._follow("text"))

    def _button(self, name: str, label: str, shown: Node, *do: Action) -> Button:
        at = self.dialogue
        return Button(
            id=name, name=self.make.say(label), label=self.make.say(label), x=at.x,
            y=at.y + at.h * 0.4 + _GAP, w=200, h=_REPLY, shown=shown,
            rules=(Rule(id=internal(name[:16], "r"), do=do),), **self._follow("button"))

    def _again(self) -> Button:
        over: list[Node] = [["<", ["variable", count_of(self.dialogue)], 0]]
        if self.moments.ends:
            over.append(is_at(self.dialogue, self.moments.ends))
        return self._button(
            again_of(self.dialogue), "dialogue_again", joined("or", over),
            StartOver(what="dialogue", dialogue=self.dialogue.id))

    def _ask(self, one: Moment) -> None:
        replies = one.beat.replies
        most = max((reply.points or 0 for reply in replies), default=0)
        judged = any(reply.points is not None for reply in replies)
        for place, reply in enumerate(replies):
            self.elements.append(self._reply(reply, one, place))
        name = one.line.text if one.line else replies[0].text
        self.questions.append(SingleChoice(
            id=question_of(one.beat), name=name[:200] or self.dialogue.name,
            purpose=self.dialogue.purpose if judged else "survey", judged="at_once",
            partial="per_answer", shuffle=self.dialogue.random_order,
            prompt=words_of(one.line) if one.line else None, points=max(most, 0), choices=tuple(
                Choice(id=internal(reply.id, "p"), element=reply_of(reply),
                       right=judged and (reply.points or 0) == most, points=reply.points or 0)
                for reply in replies)))

    def _reply(self, reply: DialogueReply, one: Moment, place: int) -> Text:
        name = reply_of(reply)
        shown = [self._is(one.number)]
        if reply.condition is not True:
            shown.append(reply.condition)
        if reply.once:
            shown.append(["not", ["clicked", name]])
        to = self._onward(one, place)
        to = Arrival(to.moment, (self.moments.replies[reply.id], *to.happens))
        at = self.dialogue
        return Text(
            id=name, name=reply.text[:200] or "Reply", x=at.x,
            y=at.y + at.h * 0.4 + _GAP + place * (_REPLY + _GAP), w=at.w, h=_REPLY,
            text=RichText(blocks=(Block(runs=(TextRun(text=reply.text),)),)),
            shown=joined("and", shown),
            rules=(Rule(id=internal(reply.id, "r"), do=(
                *map(_changed, reply.changes), *self._goes(to))),),
            **self._follow("answer"))

    def _goes(self, to: Arrival) -> Iterator[Action]:
        """Go to a moment. What was answered there is asked again: the last answer counts."""
        question = self.asks.get(to.moment)
        if question is not None:
            yield OfQuestion(action="reset", question=question)
        if said := characters(to.happens):
            kept = said_in(self.dialogue)
            yield Calculate(action="set", variable=kept,
                            value=["join", said, ["variable", kept]])
        ending = self.moments.ending_at(to.moment)
        if ending is not None:
            yield Calculate(action="set", variable=end_of(ending), value=True)
        yield Calculate(action="set", variable=count_of(self.dialogue), value=to.moment)

    def _is(self, moment: int) -> Node:
        return is_at(self.dialogue, [moment])

    def _follow(self, use: StyleUse) -> dict[str, Any]:
        return self.make.follow(use)


def _changed(change: ValueChange) -> Calculate:
    return Calculate(action="set" if change.sets else "add", variable=change.variable,
                     value=change.number)
