"""Expressions as text and in words."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course.names import Names
from zigzag_core.course.rules.expression import ARITY, NAMED, check_expression
from zigzag_core.course.rules.expression_text import read, write
from zigzag_core.course.rules.expression_words import in_words
from zigzag_core.errors import NotReadable

NAMES = Names({
    "variables": {"vscore": "Score", "vodd": "Odd name", "vtwin1": "Twin", "vtwin2": "Twin",
                  "vyes": "yes", "vquote": 'a "b" \\'},
    "elements": {"card1": "Card 1", "card2": "Card 2", "blank": ""},
    "slides": {"slide1": "Ropes"}, "sets": {"set1": "Three cards"}, "overlays": {"over1": "Tip"},
    "questions": {"quest1": "Where to?"},
    "quizzes": {"secquiz": "Keys"}, "question_sets": {"setone": "Weather"},
    "bands": {"band1": "Nearly there"},
    "live": {"points": "points", "slides_seen": "slides_seen"},
})

_leaves = st.one_of(
    st.booleans(), st.integers(-10**9, 10**9), st.text(max_size=9),
    st.floats(-1e9, 1e9, allow_nan=False),
    st.sampled_from(sorted(NAMED)).flatmap(lambda operator: st.sampled_from(
        sorted(NAMES.of[NAMED[operator]])
    ).map(lambda thing: [operator, thing])),
)


def _nodes(children):
    return st.sampled_from(sorted(ARITY)).flatmap(lambda operator: st.lists(
        children, min_size=ARITY[operator][0], max_size=min(ARITY[operator][1], 4),
    ).map(lambda arguments: [operator, *arguments]))


@given(st.recursive(_leaves, _nodes, max_leaves=12))
def test_what_is_written_reads_back_as_the_same(node):
    assert read(write(check_expression(node), NAMES), NAMES) == node


@pytest.mark.parametrize(("text", "node"), [
    ("Score>=3", [">=", ["variable", "vscore"], 3]),
    ('Score ≥ 3 and not clicked("Card 1")',
     ["and", [">=", ["variable", "vscore"], 3], ["not", ["clicked", "card1"]]]),
    ("1 + 2 * 3 - 4", ["-", ["+", 1, ["*", 2, 3]], 4]),
    ('variable("Odd name") = "x"', ["=", ["variable", "vodd"], "x"]),
    ("min(course.points, 10)", ["min", ["live", "points"], 10]),
    ("-Score", ["-", ["variable", "vscore"]]),
])
def test_typed_expressions(text, node):
    assert read(text, NAMES) == node


@pytest.mark.parametrize(("text", "words", "at"), [
    ("", "a value is missing", 0),
    ("Score >", "a value is missing before the end", 7),
    ("Score = 1 = 2", "two values at a time", 10),
    ("Skore = 1", "called “Skore”", 0),
    ("Twin = 1", "2 of the variables are called “Twin”", 0),
    ('clicked("Card 9")', "called “Card 9”", 8),
    ("clicked(Score)", "takes a name in quotes", 8),
    ("(1", "“)” is missing", 2),
    ("dance(1)", "there is no “dance", 0),
    ("course.weather", "keeps no “weather”", 0),
    ("1 2", "was not expected", 2),
    ('"open', "no closing quote", 0),
    ("Score; 1", "“;” means nothing", 5),
    ("min()", "a value is missing", 4),
    ("round(1, 2)", "takes 1 to 1", 0),
    ("(" * 60 + "1" + ")" * 60, "nested too deeply", 42),
    ("-".join(["1"] * 60), "nested too deeply", 0),
])
def test_what_cannot_be_read_says_what_and_where(text, words, at):
    with pytest.raises(NotReadable) as error:
        read(text, NAMES)
    assert words in str(error.value)
    assert abs(error.value.at - at) <= 2


@given(st.text(max_size=60))
def test_any_text_is_read_or_refused(text):
    try:
        read(text, NAMES)
    except NotReadable as error:
        assert 0 <= error.at <= len(text)


def test_conditions_in_words():
    node = ["and", [">=", ["variable", "vscore"], 3],
            ["or", ["not", ["clicked", "card1"]], ["all_seen", "set1"]]]
    assert in_words(node, NAMES) == \
        "“Score” is at least 3 and (“Card 1” was not clicked or “Three cards” was seen in full)"
    assert in_words(["not", ["<", ["live", "points"], 5]], NAMES) == \
        "the sum of points is at least 5"
    assert in_words(["not", True], NAMES) == "never"
