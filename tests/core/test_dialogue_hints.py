"""What is told of a dialogue before anybody takes it."""

from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.hints import hints
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.ways import ways_of

from .test_dialogue_script import LATE_GUEST


def _told(text):
    graph = graph_of(read_script(text).script)
    return {(hint.code, hint.turn) for hint in hints(graph, ways_of(graph))}


def test_a_dialogue_that_leads_somewhere_and_gives_nothing_away_is_fine():
    assert _told(LATE_GUEST) == set()


def test_what_leads_nowhere_is_an_error():
    assert _told("A: Hello.") == {("no_ending", None), ("breaks_off", "Beginning")}
    assert _told("## A\nA: on\n-> B\n## B\nB: on\n-> A\n## C [ending]\nA: end") == {
        ("no_way", None), ("endless", "A"), ("unreached", "C")}


def test_a_choice_that_makes_no_difference_is_told():
    text = "## A\nX: well?\n  > yes{} -> B\n  > of course -> B\n## B [ending]\nX: good"
    assert ("same_way", "A") in _told(text.replace("{}", ""))
    assert ("same_way", "A") not in _told(text.replace(" -> B\n  > of", " -> B [points 1]\n  > of")
                                          .replace("{}", ""))


def test_lines_behind_an_arrow_are_never_said():
    assert ("never_said", "A") in _told("## A\nX: on\n-> B\nX: lost\n## B [ending]\nX: end")


def test_the_best_reply_is_not_always_the_longest_or_the_first():
    def asked(n, *replies):
        return f"## T{n}\nX: what now?\n" + "".join(
            f"  > {words} -> T{n + 1} [points {points}]\n" for words, points in replies)

    end = "## T4 [ending]\nX: end"
    longest = "".join(
        asked(n, ("no", 0), ("a kind and long reply", 1), ("hm", 0)) for n in (1, 2, 3))
    assert ("always_longest", None) in _told(longest + end)
    first = "".join(asked(n, ("yes", 1), ("certainly not", 0)) for n in (1, 2, 3))
    assert _told(first + end) == {("always_first", None)}
    mixed = asked(1, ("yes", 1), ("no, never", 0)) + asked(2, ("no", 0), ("yes, do", 1)) + asked(
        3, ("yes", 1), ("no", 0))
    assert _told(mixed + end) == set()
