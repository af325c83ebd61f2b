"""The actions by which a dialogue goes on, begins and is gone back in."""

from collections.abc import Iterator

from zigzag_core.course import NumberVariable, Rule, Slide, TextVariable
from zigzag_core.course.dialogues import Dialogue, SaidLine
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.course.rules.rule import Action, Calculate, Happens, OfQuestion
from zigzag_core.program.limits import LIMITS

from ..names import internal
from .flow import Arrival, Flow, Next, arrivals, decided, flow_of
from .moments import count_of, end_of, is_at, question_of, said_in


def goes(flow: Flow, following: Next) -> Iterator[Action]:
    """Yield what leads on: what is said then is remembered, and which ending it comes to."""
    kept = said_in(flow.dialogue)
    said = decided(following, lambda to: said_at(flow, to))
    if said != "":
        yield _put(kept, ["join", said, ["variable", kept]])
    for turn in flow.dialogue.turns:
        ended = False if turn.ending is None else decided(
            following, lambda to, name=turn.id: flow.ended(to.moment, name))  # type: ignore[misc]
        if ended is not False:
            before: Node = ["variable", end_of(turn.id)]
            yield _put(end_of(turn.id), True if ended is True else ["or", before, ended])
    yield _put(count_of(flow.dialogue), decided(following, lambda to: to.moment))


def asked_again(flow: Flow, following: Next, rule: str) -> tuple[list[Action], list[Rule]]:
    """Return what asks again, before it is come to or (in rules) after it.

    What was answered there is asked again: the last answer counts. `rule` begins the ids of rules.
    """
    asks = {to.moment: question for to in arrivals(following)
            if (question := _question_at(flow, to.moment))}
    if isinstance(following, Arrival):
        return [_reset(question) for question in asks.values()], []
    return [], [
        Rule(id=internal(rule, f"a{number}"), condition=is_at(flow.dialogue, [moment]),
             do=(_reset(question),))
        for number, (moment, question) in enumerate(asks.items())]


def begins_late(flow: Flow) -> bool:
    """Whether a dialogue does not stand at its beginning from the start."""
    following = flow.begins()
    return flow.dialogue.starts == "by_rule" or not isinstance(following, Arrival) or \
        not isinstance(said_at(flow, following), str)


def beginning(dialogue: Dialogue) -> tuple[Action, ...]:
    """Return what begins a dialogue that does not stand at its beginning from the start."""
    flow = flow_of(dialogue)
    return tuple(goes(flow, flow.begins())) if flow and begins_late(flow) else ()


def begin_with_slide(slide: Slide) -> tuple[Rule, ...]:
    """Return the rules that begin the dialogues of `slide` with it, where that is still to do."""
    return tuple(
        Rule(id=internal(dialogue.id, "b"), when=Happens(event="slide_entered"),
             condition=is_at(dialogue, [0]), do=do)
        for dialogue in slide.dialogues
        if dialogue.starts == "by_itself" and (do := beginning(dialogue)))


def said_at(flow: Flow, to: Arrival) -> Node:
    """Return the text by which what happens is remembered, the newest first."""
    pieces: list[Node] = []
    here = flow.moments.all[to.moment - 1] if to.moment > 0 else None
    sure = flow.moments.number_of(here.line) if here and here.line and not here.replied else None
    for number in reversed(to.happens):
        if number >= LIMITS.most_said:
            continue
        what, sign = flow.moments.happens[number], chr(LIMITS.first_said + number)
        if isinstance(what, SaidLine) and what.condition is not True and number != sure:
            pieces.append(["if", what.condition, sign, ""])
        elif pieces and isinstance(pieces[-1], str):
            pieces[-1] += sign
        else:
            pieces.append(sign)
    return joined("join", pieces) if pieces else ""


def keeps_for_going_back(dialogue: Dialogue) -> list[NumberVariable | TextVariable]:
    """Return the variables that keep how a dialogue stood before the last reply."""
    if not dialogue.back:
        return []
    return [
        NumberVariable(id=_kept(dialogue, "at"), name=dialogue.name, decimals=0),
        TextVariable(id=_kept(dialogue, "said"), name=dialogue.name),
        *(NumberVariable(id=_kept(dialogue, str(n)), name=dialogue.name)
          for n, _ in enumerate(changed_in(dialogue)))]


def keep(flow: Flow, moment: int) -> Iterator[Action]:
    """Yield what keeps how the dialogue stands at a moment, before it is replied to."""
    dialogue = flow.dialogue
    yield _put(_kept(dialogue, "at"), moment)
    yield _put(_kept(dialogue, "said"), ["variable", said_in(dialogue)])
    for number, variable in enumerate(changed_in(dialogue)):
        yield _put(_kept(dialogue, str(number)), ["variable", variable])


def go_back(flow: Flow) -> tuple[Rule, ...]:
    """Return the rules that lead back to how the dialogue stood before the last reply."""
    dialogue = flow.dialogue
    kept = ["variable", _kept(dialogue, "at")]
    resets = [
        Rule(id=internal(dialogue.id, f"ba{one.number}"), condition=["=", kept, one.number],
             do=(_reset(question_of(one.beat)),))
        for one in flow.moments.all if one.replied and len(one.beat.replies) > 1]
    values = [_put(variable, ["variable", _kept(dialogue, str(number))])
              for number, variable in enumerate(changed_in(dialogue))]
    return (*resets, *rules_of(dialogue.id, "b", [
        *values, _put(said_in(dialogue), ["variable", _kept(dialogue, "said")]),
        _put(count_of(dialogue), kept)]))


def may_go_back(dialogue: Dialogue) -> Node:
    """Return the condition that there is a reply to go back to."""
    return [">", ["variable", _kept(dialogue, "at")], 0]


def changed_in(dialogue: Dialogue) -> list[str]:
    """Return the variables that the replies of a dialogue change."""
    return sorted({change.variable for beat in dialogue.beats for reply in beat.replies
                   for change in reply.changes})


_AT_ONCE = 40


def rules_of(owner: str, which: str, do: list[Action]) -> tuple[Rule, ...]:
    """Return rules that do all of this, as many actions in each as a rule may have."""
    return tuple(
        Rule(id=internal(owner, f"{which}r{at // _AT_ONCE or ''}"), do=tuple(do[at:at + _AT_ONCE]))
        for at in range(0, len(do), _AT_ONCE))


def _question_at(flow: Flow, moment: int) -> str | None:
    one = flow.moments.all[moment - 1] if moment > 0 else None
    return question_of(one.beat) if one and one.replied else None


def _reset(question: str) -> OfQuestion:
    return OfQuestion(action="reset", question=question)


def _put(variable: str, value: Node) -> Calculate:
    return Calculate(action="set", variable=variable, value=value)


def _kept(dialogue: Dialogue, what: str) -> str:
    return internal(dialogue.id, f"k{what}")
