"""Answer tables as files: whatever a spreadsheet makes of them comes back, or is named by line."""

import csv

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import Block, RichText, TextRun, plain, rich
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.rules.rule import GoTo
from zigzag_core.errors import BadTable
from zigzag_core.grading.table_file import decoded, from_csv, to_csv

from .samples import fresh_ids

PARTS = [("gas00", "Close the gas"), ("stove", "Lösche den Ofen; ganz"), ("light", "=Licht, aus")]
ITALIC = RichText(blocks=(Block(runs=(TextRun(text="Well "), TextRun(text="done", italic=True))),))
ROWS = (
    AnswerRow(id="rowone", cells={"gas00": True, "stove": False}, points=0.001, words=ITALIC,
              do=(GoTo(),)),
    AnswerRow(id="rowtwo", cells={"light": True}, at_least=2, points=-1.5,
              words=rich("Nein, „gar“ nicht")),
)


def read(text, before=ROWS):
    return from_csv(text, PARTS, before, fresh_ids(7))


@pytest.mark.parametrize("encoding", [
    "utf-8", "utf-8-sig", "utf-16", "utf-16-le", "utf-16-be", "windows-1252"])
@pytest.mark.parametrize("delimiter", [",", ";", "\t", "|"])
def test_a_table_comes_back_whole_in_every_encoding_and_with_every_delimiter(encoding, delimiter):
    lines = [_cells(line) for line in to_csv(PARTS, ROWS).splitlines()]
    text = "\r\n".join(delimiter.join(f'"{cell}"' for cell in line) for line in lines)
    found = read(decoded(text.encode(encoding)))
    assert found.table == ROWS
    assert not found.refused
    assert not found.notes


def _cells(line):
    return next(csv.reader([line]))


def test_columns_are_found_by_their_headings_in_any_order():
    found = read("points,=licht  aus,B,close THE gas,Remark\n\"2,5\",TRUE,0,x,so what\n")
    row, = found.table
    assert row.cells == {"gas00": True, "stove": False}
    assert row.points == 2.5
    assert [note for note in found.notes if "“=Licht, aus”: it may be anything" in note]
    assert [note for note in found.notes if "“Remark” is not known" in note]


@pytest.mark.parametrize(("words", "cell"), [
    ("TRUE", True), ("x", True), ("1", True), ("Yes", True), ("false", False), ("0", False),
    ("no", False), ("WAHR", True), ("Faux", False), ("", None), ("any", None)])
def test_what_people_write_for_yes_and_no_is_understood(words, cell):
    row, = read(f"A,points\n{words},1\n").table
    assert row.cells.get("gas00") is cell


def test_what_cannot_be_read_is_named_by_its_line_and_the_rest_is_kept():
    found = read("A,B,points,at least\nyes,no,1,\nmaybe,no,1,\n\nno,no,lots,\nno,no,1,1.5\n"
                 "x,x,99999999,\nno,yes,2,1\n")
    assert [row.points for row in found.table] == [1, 2]
    assert [line.split(":")[0] for line in found.refused] == [
        "Line 3", "Line 5", "Line 6", "Line 7"]
    assert "“maybe” stands where yes, no or any is wanted" in found.refused[0]


def test_a_row_keeps_what_it_does_and_loses_emphasis_only_with_its_words_and_says_so():
    text = to_csv(PARTS, ROWS).replace("Well done", "Very well done")
    found = read(text)
    assert found.table[0].do == ROWS[0].do
    assert plain(found.table[0].words) == "Very well done"
    assert found.notes == ("Line 2 has other words than before: they are no longer bold or "
                           "italic.",)
    # A row that stands there twice is another row the second time.
    twice = read(to_csv(PARTS, (ROWS[0], ROWS[0])))
    assert twice.table[0].id == "rowone" != twice.table[1].id


def test_a_row_for_nothing_chosen_is_said():
    assert "Line 2 is the row for nothing chosen" in read("A,B,C\nno,no,no\n").notes[0]


@pytest.mark.parametrize(("text", "said"), [
    ("", "empty"), ("Heading\nyes\n", "No column is headed like an answer"),
    ("A,B\n", "No row could be read"), ("A\nmaybe\n", "Line 2: “maybe”"),
    ("A\n" + "yes\n" * 4097, "more than 4096 rows"),
    ('A,words\nyes,"' + "x" * 200_000 + '"\n', "no table"),
])
def test_files_without_anything_to_take_are_refused_and_say_why(text, said):
    with pytest.raises(BadTable, match=said):
        read(text)


@given(st.binary(max_size=300))
def test_no_bytes_at_all_bring_it_down(data):
    try:
        found = read(decoded(data))
    except BadTable:
        return
    assert found.table
