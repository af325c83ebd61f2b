"""The text of a dialogue and what it says are one thing."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.dialogue.reading import (
    LONGEST,
    MOST_MEANT,
    MOST_REPLIES,
    MOST_SPEAKERS,
    MOST_TURNS,
    read_script,
)
from zigzag_core.dialogue.script import (
    DIRECTIONS,
    ENDINGS,
    Beat,
    Direction,
    Effect,
    Reply,
    Script,
    Spoken,
    Turn,
)
from zigzag_core.dialogue.settings import LONGEST_PAUSE, read_pause
from zigzag_core.dialogue.writing import written
from zigzag_core.errors import TooLong

LATE_GUEST = """\
## At the door
backdrop: front room, evening
sound: wind outside
Pell (worried): It is dark, and the next hut is full. Is there a place left?
  > Every bed is taken. I am sorry. -> Sent away [trust -2]
  > Come in first. Then we see. -> Inside [points 1, trust +2]
  > How far have you walked? [once, trust +1]
    Pell (tired): Since seven. My boots are wet through.
    -> At the door

## Inside
Mira (calm): Sit by the stove. Nobody is sent on after dark.
Pell (friendly): Thank you. I did not dare to hope.
  > There is the bench, and soup. -> The bench [trust +2]
  > The bench costs the same as a bed. -> The price [if Trust >= 2]

## The price
Pell (cross): For a bench?
  > It is the rule of the house. -> Sent away

## The bench [ending good]
Advice: A greeting, a seat, something warm. The rest can wait.

## Sent away [ending bad]
Pell (cross): Then I walk on.
"""

names = st.text("abcdefgh ÄÖé'", min_size=1, max_size=20).map(str.strip).filter(
    lambda text: text and text[0] != "'" and text.casefold() not in (*DIRECTIONS, "advice"))
words = st.text(st.characters(exclude_categories=["C", "Z"], include_characters=" "), min_size=1,
                max_size=40).map(str.strip).filter(bool) | st.sampled_from([
                    "-> there", "a [b] c", "\\", "→", "## no", "> no", "Who: says", "x -> y [z]",
                    "[once]", "if so", "a, b", "\\->", "]", "-"])
numbers = st.integers(-99, 99).map(float) | st.sampled_from([0.5, -2.25])
conditions = st.just("") | st.sampled_from(['Trust >= 2', 'clicked("A [b]")', "a and b"])
parts = st.builds(Spoken, names, st.just("") | names, words, conditions) \
    | st.builds(Direction, st.sampled_from(DIRECTIONS), words) \
    | st.builds(lambda text, condition: Spoken("", "", text, condition), words, conditions)
effects = st.builds(Effect, names, numbers, st.booleans())


def replies(then):
    return st.builds(
        lambda text, leads, points, effects, condition, once, after, then: Reply(
            text, "" if then else leads, points, tuple(effects), condition, once, after, then),
        words, st.just("") | names, st.none() | numbers, st.lists(effects, max_size=2),
        conditions,
        st.booleans(), st.sampled_from([None, 1, 2.5, 3_600]), st.just(()) | then)


def _beats(inner):
    """Beats in a row: where one leads nowhere and has no replies, it is one with the next."""
    led = st.builds(lambda parts, leads, condition: Beat(tuple(parts), (), leads, condition),
                    st.lists(parts, max_size=3), names, conditions)
    asking = st.builds(lambda parts, replies: Beat(tuple(parts), tuple(replies)),
                       st.lists(parts, max_size=2),
                       st.lists(replies(inner), min_size=1, max_size=3))
    said = st.builds(lambda parts: (Beat(tuple(parts)),), st.lists(parts, min_size=1, max_size=3))
    return st.builds(lambda several, last: (*_apart(several), *last),
                     st.lists(led | asking, max_size=3), st.just(()) | said)


def _apart(beats):
    """Replies that follow replies would be among them: something is said between."""
    kept = []
    for beat in beats:
        if kept and kept[-1].replies and beat.replies and not beat.parts:
            beat = Beat((Spoken("", "", "Then."),), beat.replies)
        kept.append(beat)
    return kept


passages = st.recursive(st.builds(lambda part: (Beat((part,)),), parts), _beats, max_leaves=8)
turns = st.builds(Turn, words, passages, st.none() | st.sampled_from(ENDINGS))


@given(scripts=st.lists(turns, max_size=4, unique_by=lambda turn: turn.name.casefold()))
def test_what_is_written_is_read_back_as_the_same(scripts):
    script = Script(tuple(scripts))
    read = read_script(written(script))
    assert read.script == script
    assert {one.code for one in read.mistakes} <= {"no_turn"}


def test_a_script_as_it_is_documented_is_read_and_written_back():
    read = read_script(LATE_GUEST)
    assert read.mistakes == () and written(read.script) == LATE_GUEST
    assert read.lines == (1, 11, 17, 21, 24)
    door = read.script.turns[0].beats[0]
    assert [part.speaker for part in door.parts if isinstance(part, Spoken)] == ["Pell"]
    assert door.replies[1] == Reply(
        "Come in first. Then we see.", "Inside", 1, (Effect("trust", 2),))
    assert door.replies[2].once and door.replies[2].then == (Beat(
        (Spoken("Pell", "tired", "Since seven. My boots are wet through."),), leads="At the door"),)


@given(text=st.text(max_size=400) | st.lists(st.sampled_from(
    ["## A", "## A [ending]", "> b -> A", "  > c [once]", "Pell: d", "    Pell (e): f -> A", "-> A",
     "\t> g", "text", "[", "## ", ">", "Pell:", "> h [what]", "  -> B"]), max_size=30,
    ).map("\n".join))
def test_whatever_the_text_is_its_script_is_written_and_read_the_same(text):
    script = read_script(text).script
    assert read_script(written(script)).script == script


def test_mistakes_are_told_by_line_with_what_may_be_meant():
    read = read_script(LATE_GUEST.replace("-> The price [", "-> The prize [")
                       .replace("[ending good]", "[the end]").replace("[once, ", "[onc, "))
    assert [(one.line, one.code) for one in read.mistakes] == [
        (7, "setting"), (14, "no_turn"), (15, "no_turn"), (21, "setting")]
    assert read.mistakes[2].meant[0] == "The price"
    # What is not understood stays where it was written.
    assert read.script.turns[3].name == "The bench [the end]"
    assert read.script.turns[0].beats[0].replies[2].text.endswith("[onc, trust +1]")


def test_what_follows_replies_follows_all_that_lead_nowhere():
    text = "Pell: Well?\n> Yes\n> No\n  Pell: Oh.\nPell: Good night.\n-> End"
    [turn] = read_script(text).script.turns
    asks, after = turn.beats
    assert [reply.text for reply in asks.replies] == ["Yes", "No"]
    assert after == Beat((Spoken("Pell", "", "Good night."),), leads="End")
    assert turn.name == "Beginning"


def test_a_turn_in_which_much_follows_replies_is_read_as_well():
    text = "Pell: Well?\n> Yes\n" * 2_400
    [turn] = read_script(text).script.turns
    assert len(turn.beats) == 2_400
    assert read_script(written(Script((turn,)))).script == Script((turn,))


def test_a_script_that_is_too_long_is_refused():
    many = ("".join(f"> reply {n}\n" for n in range(MOST_REPLIES + 1)),
            "".join(f"A{'b' * n}: hm\n" for n in range(MOST_SPEAKERS - 1)))
    read_script(many[1])
    for text in ("x" * (LONGEST + 1), "\n".join(f"## {n}" for n in range(MOST_TURNS + 1)),
                 many[0], many[1] + "C: hm\nD: hm\n"):
        with pytest.raises(TooLong):
            read_script(text)


def test_a_name_that_is_nearly_another_one_is_told():
    text = "## A\nPell: one\nPell: two\nPel: three\nBell: four\n## B [ending]\nAnna: x\nAnne: y\n"
    [found] = read_script(text).mistakes
    assert (found.line, found.code, found.meant) == (4, "speaker", ("Pell",))


def test_a_script_full_of_wrong_names_tells_each_of_them():
    text = "\n".join(f"## Turn {n}" for n in range(200)) + "\n" + "\n".join(
        f"X: a\n> x -> Trun {n}" for n in range(300, 800))
    mistakes = read_script(text).mistakes
    assert len(mistakes) == 500 and len([one for one in mistakes if one.meant]) == MOST_MEANT


def test_a_pause_is_so_many_seconds_however_it_is_written():
    given = {"2": 2, " 2,5 s": 2.5, "3s": 3, "1 second": 1, "500": LONGEST_PAUSE, "soon": 0,
             "-4": 0, "nan": 0, "": 0}
    assert {words: read_pause(words) for words in given} == given
