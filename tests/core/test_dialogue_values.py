"""Figures of dialogues whose values are followed, held against all that learners can do."""

import random

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.dialogue.following import MOST_STATES
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.ways import Range, ways_of
from zigzag_core.editing.dialogues.values import with_values
from zigzag_core.engine import engine

from .test_dialogue_conditions import BANDS, LEADS
from .test_dialogue_playing import Guest, course_of
from .test_dialogue_script import LATE_GUEST


def followed_ways(text, **begins):
    found = with_values(graph_of(read_script(text).script), begins)
    return found, ways_of(found.graph)


def test_a_value_decides_which_way_there_is():
    found, ways = followed_ways(LEADS)
    assert found.whole and found.assumed == ()
    assert {name: count for name, _, count in ways.endings} == {"Well": 1, "Badly": 1}
    found, ways = followed_ways(LEADS, trust=5)
    assert {name: count for name, _, count in ways.endings} == {"Well": 2, "Badly": 0}
    assert ways.unreached == ("Badly",)


def test_a_reply_that_is_never_there_is_no_way():
    _, ways = followed_ways(LATE_GUEST.replace("if Trust >= 2", "if trust >= 9"))
    # Sent away at once, or after a question; the bench, or after a question.
    assert ways.count == 4 and ways.points == Range(0, 1)


def test_where_no_reply_is_left_it_breaks_off():
    text = "## A\nP: Well?\n  > Yes. -> B [if trust > 3, trust +1]\n## B [ending]\nP: Bye.\n"
    _, ways = followed_ways(text.replace("[if trust > 3, trust +1]", "[trust +1, if trust > 3]"))
    assert ways.count == 0 and ways.dead_ends == ("A",)


def test_other_conditions_are_taken_to_hold_and_named():
    found, ways = followed_ways(LEADS.replace("if trust >= 0", "if lower(name) = \"pell\""))
    assert found.assumed == ('lower(name) = "pell"',) and ways.count == 4


def test_too_many_values_are_not_followed():
    text = ("## A\nP: Well?\n  > More. -> A [trust +1]\n  > Go. -> B [if trust >= 2]\n"
            "## B [ending]\nP: Bye.\n")
    found, ways = followed_ways(text)
    assert not found.whole and ways.count == 1
    assert MOST_STATES < 10_000


def _script(seed):
    """A dialogue whose turns lead on only, with replies and ways under conditions."""
    draw = random.Random(seed)
    turns = draw.randint(2, 4)
    lines = []
    for turn in range(turns):
        lines.append(f"## T{turn}" + (" [ending]" if turn == turns - 1 else ""))
        lines.append(f"A: line {turn}")
        if turn == turns - 1:
            break
        for number in range(draw.randint(1, 3)):
            to = draw.choice(["", f" -> T{draw.randint(turn + 1, turns - 1)}"])
            change = draw.choice(["+1", "-1", "= 2"])
            asked = [f"points {draw.randint(-2, 3)}", f"trust {change}"]
            if draw.random() < 0.5:
                asked.append(f"if trust {draw.choice(['>=', '<', '='])} {draw.randint(-1, 2)}")
            lines.append(f"  > r{turn}{number}{to} [{', '.join(asked)}]")
        if draw.random() < 0.6:
            to = draw.randint(turn + 1, turns - 1)
            lines.append(f"-> T{to} [if trust >= {draw.randint(0, 2)}]")
        lines.append(f"-> T{draw.randint(turn + 1, turns - 1)}")
    return "\n".join(lines) + "\n"


def _plays(text):
    """What all that learners can do comes to: the points of each way to the end."""
    guest = Guest(course_of(text))
    [dialogue] = guest.index.slides[guest.slide].dialogues
    [end] = [v.id for v in guest.index.program.variables if v.name[1:].isdigit()]
    replies = {one.element for one in dialogue.entries if one.kind == "reply"}
    todo, found = [guest.state], []
    while todo:
        state = todo.pop()
        there = [name for name in dialogue.buttons if engine.is_visible(guest.index, state, name)]
        if not there and state.variables[end]:
            found.append(sum(answer.points for answer in state.answers.values()))
        assert not set(there) - replies or len(there) == 1
        todo += [engine.step(guest.index, state, {"event": "clicked", "target": name})[0]
                 for name in there]
    return found


@settings(max_examples=40)
@given(seed=st.integers(0, 100_000))
def test_all_that_learners_can_do_is_counted(seed):
    text = _script(seed)
    found, ways = followed_ways(text)
    assert found.whole
    plays = _plays(text)
    assert ways.count == len(plays)
    if plays:
        assert ways.points == Range(min(plays), max(plays))


@pytest.mark.parametrize("text", [BANDS, LEADS, LATE_GUEST])
def test_conditions_of_lines_change_no_way(text):
    found, ways = followed_ways(text)
    assert found.whole and ways.count >= 2
