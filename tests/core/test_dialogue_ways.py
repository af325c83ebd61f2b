"""The figures of a dialogue, against all its ways one by one."""

import random

from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.leading import leads_of
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.ways import Range, components, ways_of

from .test_dialogue_script import LATE_GUEST

WORDS = ["one", "two", "three", "four", "five", "six", "seven"]


def script_of(seed: int, forward: bool):
    """A made-up dialogue of some turns; where it goes `forward` no way leads back."""
    draw = random.Random(seed)
    turns = draw.randint(1, 7)
    lines = []
    for turn in range(turns):
        last = turn == turns - 1
        lines.append(f"## T{turn}{' [ending]' if last or draw.random() < 0.15 else ''}")
        lines.append(f"A: {' '.join(draw.choices(WORDS, k=draw.randint(1, 5)))}")
        if last or draw.random() < 0.1:
            continue
        low = turn + 1 if forward else 0
        for _ in range(draw.randint(1, 3)):
            to = draw.choice(["", f" -> T{draw.randint(low, turns - 1)}"])
            lines.append(f"  > r{to} [{draw.choice(['once, ', ''])}points {draw.randint(-2, 3)}]")
            if not to and draw.random() < 0.5:
                lines.append("    A (sad): well")
        if draw.random() < 0.7:
            lines.append(f"-> T{draw.randint(low, turns - 1)}")
    return read_script("\n".join(lines)).script


def all_ways(graph):
    """Each way to an ending that comes nowhere twice, as the ways that it takes."""
    todo = [(graph.first, (), (graph.first,))]
    while todo:
        step, taken, been = todo.pop()
        if step in graph.endings:
            yield taken, been
            continue
        for way in graph.steps[step].ways:
            if way.to not in been:
                todo.append((way.to, (*taken, way), (*been, way.to)))


@given(seed=st.integers(0, 100_000))
def test_without_loops_all_figures_are_those_of_all_ways(seed):
    graph = graph_of(script_of(seed, forward=True))
    found, ways = ways_of(graph), list(all_ways(graph))
    assert found.count == len(ways) == sum(count for _, _, count in found.endings)
    if ways:
        gained = [sum((way.reply.points or 0) if way.reply else 0 for way in taken)
                  for taken, _ in ways]
        said = [_turns(graph, been) for _, been in ways]
        assert found.points == Range(min(gained), max(gained))
        assert found.turns == Range(min(said), max(said))
        offered = [sum(len(graph.steps[step].beat.replies) for step in been
                       if graph.steps[step].beat) for _, been in ways]
        assert found.replies == Range(min(offered), max(offered))
    assert found.loops == ()


@given(seed=st.integers(0, 100_000))
def test_with_loops_what_is_reached_and_what_leads_on_is_right(seed):
    graph = graph_of(script_of(seed, forward=False))
    found, ways = ways_of(graph), list(all_ways(graph))
    assert bool(found.count) == bool(ways)
    been = {graph.first}
    for _ in graph.steps:
        been |= {way.to for step in been for way in graph.steps[step].ways}
    names = [turn.name for turn in graph.script.turns]
    assert set(found.unreached) == set(names) - {names[graph.steps[step].turn] for step in been}
    goals = set(graph.endings)
    for _ in graph.steps:
        goals |= {n for n, step in enumerate(graph.steps) if any(w.to in goals for w in step.ways)}
    stuck = {step for step in been - goals
             if step in _behind(graph, [way.to for way in graph.steps[step].ways])}
    assert {name for loop in found.loops for name in loop} == {
        names[graph.steps[step].turn] for step in stuck}
    if ways:
        assert found.turns.least == min(_turns(graph, been) for _, been in ways)


def _turns(graph, been):
    """In how many of these steps something is said, or to be said."""
    beats = [graph.steps[step].beat for step in been if graph.steps[step].beat]
    return sum(bool(beat.parts or beat.replies) for beat in beats)


def _behind(graph, first):
    found, todo = set(first), list(first)
    while todo:
        for way in graph.steps[todo.pop()].ways:
            if way.to not in found:
                found.add(way.to)
                todo.append(way.to)
    return found


@given(seed=st.integers(0, 100_000))
def test_components_are_those_that_lead_to_each_other(seed):
    graph = graph_of(script_of(seed, forward=False))
    found = components(graph)
    assert sorted(step for part in found for step in part) == list(range(len(graph.steps)))
    reach = [_behind(graph, [step]) for step in range(len(graph.steps))]
    for number, part in enumerate(found):
        for step in part:
            assert {one for one in reach[step] if step in reach[one]} == set(part)
        later = {step for other in found[number + 1:] for step in other}
        assert not later & {way.to for step in part for way in graph.steps[step].ways}


def test_the_figures_of_a_dialogue_that_is_known():
    found = ways_of(graph_of(read_script(LATE_GUEST).script))
    # Sent away at once; in, and the bench; in, the price, and sent away.
    assert found.endings == (("The bench", "good", 1), ("Sent away", "bad", 2))
    assert found.count == 3 and found.turns == Range(2, 5)
    assert found.points == Range(0, 1) and found.all_replies == 6
    assert found.unreached == found.dead_ends == found.loops == ()


def test_points_that_come_again_in_a_loop_have_no_most():
    text = "## A\nX: on?\n  > again -> A [{}points 2]\n  > enough -> B\n## B [ending]\nX: well\n"
    endless, once = (ways_of(graph_of(read_script(text.format(more)).script))
                     for more in ("", "once, "))
    assert endless.points == Range(0, None) and once.points == Range(0, 2)


def test_turns_that_break_off_and_loops_without_a_way_out_are_named():
    text = ("## A\nX: where?\n  > there -> B\n  > round -> C\n## B\nX: here\n"
            "## C\nX: round\n-> D\n## D\nX: and round\n-> C\n## E [ending]\nX: never\n")
    found = ways_of(graph_of(read_script(text).script))
    assert (found.count, found.dead_ends, found.unreached) == (0, ("B",), ("E",))
    assert [set(loop) for loop in found.loops] == [{"C", "D"}]


def test_two_hundred_turns_are_counted_at_once():
    lines = []
    for turn in range(200):
        lines.append(f"## T{turn}{' [ending]' if turn == 199 else ''}\nA: well\n")
        if turn < 199:
            lines += [f"  > r{n} -> T{min(turn + n, 199)}" for n in (1, 2, 3)]
    found = ways_of(graph_of(read_script("\n".join(lines)).script))
    # Each reply is a way of its own, also where several lead to the last turn.
    counts = [1]
    for turn in range(198, -1, -1):
        counts.append(sum(counts[199 - min(turn + n, 199)] for n in (1, 2, 3)))
    assert found.count == counts[-1] > 10 ** 50
    assert found.turns == Range(68, 200)


def test_turns_lead_to_each_other_by_what_is_replied():
    graph = graph_of(read_script(
        "## A\nX: well?\n  > go -> B\n  > how? [once]\n    X: so\n    -> A\n"
        "  > too -> B [if t > 1]\n## B\nX: on\n-> C\n## C [ending]\n").script)
    found = [(one.source, one.target, one.replies, one.conditional) for one in leads_of(graph)]
    assert found == [(0, 1, ("go", "too"), False), (0, 0, ("how?",), True), (1, 2, (), False)]


def test_by_how_much_values_change():
    ways = ways_of(graph_of(read_script(
        "## A\nX: well?\n  > yes -> B [trust +2, time = 5]\n  > no -> C [Trust -3]\n"
        "  > how? -> A [once, trust +1]\n## B\nX: on\n  > so -> C [trust +1]\n  > or -> C\n"
        "## C [ending]\nX: so\n").script))
    assert ways.values == (("trust", Range(-3, 4)),)
