"""Rules and gates that speak of a dialogue: turns, replies, endings."""

import pytest
from zigzag_core.course import Course, CourseDocument, Gate, NumberVariable, Rule, Slide
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.names import Names
from zigzag_core.course.rules.gates import AllHere, DialogueTaken, QuestionAnswered
from zigzag_core.course.rules.rule import Calculate, Happens, StartOver
from zigzag_core.dialogue.reading import read_script
from zigzag_core.editing.dialogues.planting import plant_script

from .samples import fresh_ids
from .test_dialogue_playing import AGAIN, Guest

TEXT = """## A
X: well?
  > left -> Left
  > right -> Right
  > on -> B
## B
X: so
-> Left
## Left [ending good]
X: fine
Advice: yes
## Right [ending bad]
"""


def guest(gate=None, *rules, text=TEXT):
    """A guest at a dialogue, on a slide before another one, with rules of the slide."""
    dialogue = plant_script(
        read_script(text).script, Dialogue(id="thedialog", name="Ways"), Names(), fresh_ids(1),
    ).dialogue
    turns = {turn.name: turn.id for turn in dialogue.turns}
    replies = {reply.text: reply.id for beat in dialogue.beats for reply in beat.replies}
    made = tuple(
        Rule(id=f"rule{n}", when=Happens(event=event, of=tuple(
            {**turns, **replies}[one] for one in of if isinstance(one, str))), do=tuple(
                one for one in of if not isinstance(one, str)) or (
                    Calculate(action="add", variable=f"count{n}", value=1),))
        for n, (event, *of) in enumerate(rules))
    slides = (Slide(id="slidea", title="A", dialogues=(dialogue,), gate=gate, rules=made),
              Slide(id="slideb", title="B"))
    counts = tuple(NumberVariable(id=f"count{n}", name=f"{n}") for n in range(len(rules)))
    course = Course(id="course", title="C", slides=("slidea", "slideb"), variables=counts)
    return Guest(CourseDocument.model_validate(
        CourseDocument(course=course, slides=slides).model_dump()))


def test_rules_hear_of_turns_replies_and_endings():
    one = guest(None, ("turn_reached", "B"), ("reply_given", "on", "right"),
                ("dialogue_ended", "Left"), ("dialogue_ended",), ("dialogue_ended", "Right"))

    def counts():
        return [one.value(str(n)) for n in range(5)]

    one.takes("on")
    assert counts() == [1, 1, 0, 0, 0]
    one.takes("Continue")
    assert counts() == [1, 1, 0, 0, 0]
    one.takes("Continue")
    assert counts() == [1, 1, 1, 1, 0]
    one.takes(AGAIN).takes("right")
    assert counts() == [1, 2, 1, 2, 1]


@pytest.mark.parametrize("gate", [
    DialogueTaken(), DialogueTaken(dialogue="thedialog"), AllHere(), QuestionAnswered()])
def test_a_gate_opens_when_the_dialogue_has_ended_and_stays_open(gate):
    one = guest(Gate(wants=(gate,)))
    assert one.does("next").slide == "slidea"
    one.takes("on")
    assert one.does("next").slide == "slidea"
    one.takes("Continue").takes("Continue")
    one.takes(AGAIN)
    assert one.does("next").slide == "slideb"


def test_a_gate_can_ask_for_every_ending():
    one = guest(Gate(wants=(DialogueTaken(every=True),)))
    one.takes("right")
    assert one.does("next").slide == "slidea"
    one.takes(AGAIN).takes("left").takes("Continue")
    assert one.does("next").slide == "slideb"


def test_a_slide_that_is_begun_again_begins_its_dialogue_again():
    one = guest(None, ("reply_given", "right", StartOver()))
    one.takes("right")
    assert one.seen == ["X / well?", "left", "right", "on"] and one.heard == ["X / well?"]


def test_a_dialogue_ends_with_a_turn_in_which_nobody_speaks():
    silent = TEXT.replace("X: fine\nAdvice: yes\n", "").replace("X: so\n-> Left", "X: bye\n-> Left")
    one = guest(Gate(wants=(DialogueTaken(),)), ("dialogue_ended", "Left"),
                ("turn_reached", "Left"), text=silent)
    one.takes("on")
    # Behind the last line nothing more is said: with it the dialogue has ended.
    assert one.seen == ["X / bye", AGAIN]
    assert [one.value("0"), one.value("1")] == [1, 1]
    assert one.does("next").slide == "slideb"
