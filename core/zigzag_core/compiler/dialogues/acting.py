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
from zigzag_core.course.rules.rule import Action, Calculate, StartOver
from zigzag_core.course.style.theme import NamedStyle, StyleUse
from zigzag_core.course.text.rich_text import Block, RichText, TextRun
from zigzag_core.program.limits import LIMITS
from zigzag_core.words import Say

from ..names import internal
from .flow import Flow, Next, arrivals, flow_of
from .going import (
    asked_again,
    begin_with_slide,
    begins_late,
    go_back,
    goes,
    keep,
    keeps_for_going_back,
    may_go_back,
    rules_of,
    said_at,
)
from .moments import (
    Moment,
    again_of,
    back_of,
    count_of,
    end_of,
    is_at,
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
    stages = [_Stage(flow, styles, say) for flow in _played(slide)]
    return slide.model_copy(update={
        "elements": (*slide.elements, *(one for stage in stages for one in stage.elements)),
        "questions": (*slide.questions, *(one for stage in stages for one in stage.questions)),
        "rules": (*begin_with_slide(slide), *slide.rules)})


Kept = NumberVariable | TextVariable | YesNoVariable


def kept_by_dialogues(slide: Slide) -> list[Kept]:
    """Return the variables that remember what was said in the dialogues of `slide`."""
    found: list[Kept] = []
    for flow in _played(slide):
        dialogue, late = flow.dialogue, begins_late(flow)
        first = next(arrivals(flow.begins()))
        said = "" if late else str(said_at(flow, first))
        found += [
            NumberVariable(id=count_of(dialogue), name=dialogue.name, decimals=0,
                           default=0 if late else first.moment),
            TextVariable(id=said_in(dialogue), name=dialogue.name,
                         default=said[:LIMITS.longest_text]),
            *(YesNoVariable(id=end_of(turn.id), name=turn.name,
                            default=not late and flow.ended(first.moment, turn.id) is True)
              for turn in dialogue.turns if turn.ending is not None),
            *keeps_for_going_back(dialogue)]
    return found


def _played(slide: Slide) -> Iterator[Flow]:
    return (flow for flow in map(flow_of, slide.dialogues) if flow)


class _Stage:
    """What one dialogue comes to."""

    def __init__(self, flow: Flow, styles: tuple[NamedStyle, ...], say: Say) -> None:
        self.flow, self.dialogue = flow, flow.dialogue
        self.make = Maker(lambda: "", styles, say)
        self.speakers = {speaker.id: speaker.name for speaker in self.dialogue.speakers}
        self.elements: list[Element] = []
        self.questions: list[Question] = []
        self.come_to = {to.moment for to in arrivals(flow.begins())}
        for one in flow.moments.all:
            self._play(one)
        # What is held back goes by with what is before it, but for what leads round to itself.
        led: set[int] = set()
        while around := (self.come_to & flow.held) - led:
            led |= around
            for number in sorted(around):
                self._lead_on(flow.moments.all[number - 1])
        if self.dialogue.back:
            self.elements.append(self._button(
                back_of(self.dialogue), "dialogue_back",
                ["and", flow.over(), may_go_back(self.dialogue)], go_back(flow)))
        if self.dialogue.again:
            self.elements.append(self._button(
                again_of(self.dialogue), "dialogue_again", flow.over(),
                rules_of(again_of(self.dialogue), "", [
                    StartOver(what="dialogue", dialogue=self.dialogue.id)])))

    def _play(self, one: Moment) -> None:
        if one.line:
            self.elements.append(self._line(one.line, one.number))
        if one.replied:
            self._ask(one)
        elif one.number not in self.flow.held:
            self._lead_on(one)

    def _lead_on(self, one: Moment) -> None:
        """Add the button that leads on from a moment without replies."""
        following, ended = self.flow.after(one), self.flow.ended(one.number)
        if ended is not True:
            name = onward_of(one)
            shown = joined("and", [self._is(one.number), *([["not", ended]] if ended else [])])
            self.elements.append(self._button(
                name, "continue", shown, self._leading(following, name[:16], [])))

    def _leading(
        self, following: Next, owner: str, before: list[Action]
    ) -> tuple[Rule, ...]:
        """The rules by which one goes on, with what is done `before`."""
        self.come_to |= {to.moment for to in arrivals(following)}
        first, later = asked_again(self.flow, following, owner)
        return (*rules_of(owner, "", [*before, *first, *goes(self.flow, following)]), *later)

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

    def _button(self, name: str, label: str, shown: Node, rules: tuple[Rule, ...]) -> Button:
        at = self.dialogue
        return Button(
            id=name, name=self.make.say(label), label=self.make.say(label), x=at.x,
            y=at.y + at.h * 0.4 + _GAP, w=200, h=_REPLY, shown=shown, rules=rules,
            **self._follow("button"))

    def _ask(self, one: Moment) -> None:
        replies = one.beat.replies
        points = [reply.points or 0 for reply in replies]
        most = max(points)
        judged = any(reply.points is not None for reply in replies)
        for place, reply in enumerate(replies):
            self.elements.append(self._reply(reply, one, place))
        name = one.line.text if one.line else replies[0].text
        self.questions.append(SingleChoice(
            id=question_of(one.beat), name=name[:200] or self.dialogue.name,
            purpose=self.dialogue.purpose if judged else "survey", judged="at_once",
            partial="per_answer", shuffle=self.dialogue.random_order,
            prompt=words_of(one.line) if one.line else None, points=max(most, 0),
            floor=min(*points, 0), choices=tuple(
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
        following = self.flow.after(one, place, (self.flow.moments.replies[reply.id],))
        kept = keep(self.flow, one.number) if self.dialogue.back and len(one.beat.replies) > 1 \
            else ()
        at = self.dialogue
        return Text(
            id=name, name=reply.text[:200] or "Reply", x=at.x,
            y=at.y + at.h * 0.4 + _GAP + place * (_REPLY + _GAP), w=at.w, h=_REPLY,
            text=RichText(blocks=(Block(runs=(TextRun(text=reply.text),)),)),
            shown=joined("and", shown),
            rules=self._leading(following, reply.id, [*kept, *map(_changed, reply.changes)]),
            **self._follow("answer"))

    def _is(self, moment: int) -> Node:
        return is_at(self.dialogue, [moment])

    def _follow(self, use: StyleUse) -> dict[str, Any]:
        return self.make.follow(use)


def _changed(change: ValueChange) -> Calculate:
    return Calculate(action="set" if change.sets else "add", variable=change.variable,
                     value=change.number)
