"""What was written elsewhere becomes a script: tables, lists, marks of other hands."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.pasting import pasted
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.ways import ways_of
from zigzag_core.dialogue.writing import written

from .test_dialogue_script import LATE_GUEST

WANTED = """## Door
Pell (worried): Is there a place left?
  > Come in. -> Inside
  > Every bed is taken, sorry. -> Away

## Inside [ending good]
Pell: Thank you.

## Away [ending bad]
Pell (cross): Then I walk on.
"""

TABLE = """Turn\tWho\tMood\tLine\tReply\tLeads to\tEnding
Door\tPell\tworried\tIs there a place left?\t\t\t
Door\t\t\t\tCome in.\tInside\t
Door\t\t\t\tEvery bed is taken, sorry.\tAway\t
Inside\tPell\t\tThank you.\t\t\tgood
Away\tPell\tcross\tThen I walk on.\t\t\tbad
"""

SHAPES = {
    "tabs": TABLE,
    "one row per reply": """Turn;Speaker;Mood;Line;Reply;Next;Ending
Door;Pell;worried;Is there a place left?;Come in.;Inside;
Door;;;;Every bed is taken, sorry.;Away;
Inside;Pell;;Thank you.;;;good
Away;Pell;cross;Then I walk on.;;;bad
""",
    "quoted": TABLE.replace("\t", ",").replace(
        "Every bed is taken, sorry.", '"Every bed is taken, sorry."'),
    "bars": "\n".join(
        f"| {' | '.join(line.split(chr(9)))} |" for line in TABLE.rstrip().split("\n")).replace(
            "\n", "\n|---|---|---|---|---|---|---|\n", 1),
    "a list with other arrows": """```
# Door
**Pell [worried]:** Is there a place left?
  - Come in. => Inside
  - Every bed is taken, sorry. (go to Away)

# Inside [ending good]
Pell: Thank you.

# Away [ending bad]
Pell: (cross) Then I walk on.
```""",
    "a word processor": "Scene 1: Door\r\nPell (worried):\u00a0Is there a place left?\r\n"
                        "\t•\u00a0Come in. → Inside\r\n"
                        "\t•\u00a0Every bed is taken, sorry. → Away\r\n"
                        "## Inside [ending good]\r\nPell: Thank you.\r\n"
                        "## Away [ending bad]\r\nPell (cross): Then I walk on.",
    "numbers": """## Door
Pell (worried): Is there a place left?
   1) Come in. --> Inside
   2) Every bed is taken, sorry. --> Away
## Inside [ending good]
Pell: Thank you.
## Away [ending bad]
Pell (cross): Then I walk on.""",
}


@pytest.mark.parametrize("shape", SHAPES)
def test_what_is_pasted_in_many_shapes_is_the_same_script(shape):
    read = read_script(pasted(SHAPES[shape]).text)
    assert written(read.script) == WANTED and read.mistakes == ()
    assert ways_of(graph_of(read.script)).count == 2


def test_a_table_says_how_many_rows_it_had():
    assert pasted(TABLE).rows == 5 and pasted(WANTED).rows == 0


def test_cells_that_no_column_names_are_not_lost():
    text = pasted("Turn\tLine\tReply\tRemark\nA\tHello\t\tto be checked by Edda\n").text
    assert "to be checked by Edda" in text


def test_a_script_stays_as_it_is():
    for script in (LATE_GUEST, WANTED):
        assert read_script(pasted(script).text).script == read_script(script).script


# A plain letter may be the mark of a list: “a) …”.
WORDS = st.text("aäöÄÖ .:;,|\t\n>-#()[]*•→\\0123", max_size=200)


@given(WORDS)
def test_no_letter_is_lost_whatever_is_pasted(text):
    letters = [one for one in text if one in "äöÄÖ"]
    found = [one for one in pasted(text).text if one in "äöÄÖ"]
    assert sorted(found) == sorted(letters) or pasted(text).rows
    read_script(pasted(text).text)
