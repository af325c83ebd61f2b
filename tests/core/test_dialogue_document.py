"""Dialogues of the document and their scripts are one thing, also after the text was changed."""

import csv
import io
import random

from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course.dialogues import Dialogue, SaidLine
from zigzag_core.course.names import Names
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.script import Script
from zigzag_core.dialogue.writing import written
from zigzag_core.editing.dialogues.planting import plant_script
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.editing.dialogues.voices import lines_csv, voice_lines

from .samples import fresh_ids
from .test_dialogue_script import LATE_GUEST, turns

EMPTY = Dialogue(id="thedialog", name="The late guest")
NOBODY = Names({"variables": {}})


def _planted(script, before=EMPTY, names=NOBODY, seed=1):
    made = plant_script(script, before, names, fresh_ids(seed))
    known = {**names.of["variables"], **{one.id: one.name for one in made.variables}}
    return Dialogue.model_validate(made.dialogue.model_dump()), Names({"variables": known})


def _ids(dialogue):
    return [*(turn.id for turn in dialogue.turns), *(beat.id for beat in dialogue.beats),
            *(line.id for beat in dialogue.beats for line in beat.lines),
            *(reply.id for beat in dialogue.beats for reply in beat.replies)]


@given(found=st.lists(turns, max_size=4, unique_by=lambda turn: turn.name.casefold()),
       seed=st.integers(0, 99))
def test_a_script_that_was_planted_is_the_script_of_its_dialogue(found, seed):
    script = Script(tuple(found))
    dialogue, names = _planted(script, seed=seed)
    # Names that differ only in their case are one; what they lead to is written as it is called.
    back = script_of(dialogue, names)
    assert written(back).casefold() == written(script).casefold()
    again, _ = _planted(back, dialogue, names, seed + 1)
    assert again == dialogue


def test_a_dialogue_has_what_its_script_names():
    dialogue, names = _planted(read_script(LATE_GUEST).script)
    assert [speaker.name for speaker in dialogue.speakers] == ["Pell", "Mira"]
    assert list(names.of["variables"].values()) == ["trust"]
    [trust] = names.of["variables"]
    asks = dialogue.beats[0].replies
    assert [(change.variable, change.number) for change in asks[1].changes] == [(trust, 2)]
    price = next(reply for beat in dialogue.beats for reply in beat.replies if reply.unread)
    assert price.unread == "Trust >= 2", "there is no value of this name"
    same = LATE_GUEST.replace("if Trust", "if trust")
    dialogue, _ = _planted(read_script(same).script, dialogue, names, seed=2)
    price = next(reply for beat in dialogue.beats for reply in beat.replies
                 if reply.text == price.text)
    assert price.unread == "" and price.condition == [">=", ["variable", trust], 2]


def test_what_was_not_changed_keeps_its_identity_and_its_voice():
    text = LATE_GUEST
    dialogue, names = _planted(read_script(text).script)
    beats = tuple(
        beat.model_copy(update={"lines": tuple(
            line.model_copy(update={"voice": f"voice{line.id}"}) if isinstance(line, SaidLine)
            else line for line in beat.lines)}) for beat in dialogue.beats)
    dialogue = dialogue.model_copy(update={"beats": beats})
    draw = random.Random(5)
    lines = text.splitlines()
    for number in range(40):
        at = draw.randrange(len(lines))
        changed = [*lines]
        if number % 2:
            changed.insert(at, "Pell (calm): So be it.")
        else:
            changed[at] = changed[at].replace("e", "ee")
        after, _ = _planted(read_script("\n".join(changed)).script, dialogue, names, seed=number)
        gone = set(_ids(dialogue)) - set(_ids(after))
        assert len(gone) <= 2, (lines[at], changed[at])
    far = LATE_GUEST.replace("Thank you. I did not dare to hope.", "Thanks.")
    after, _ = _planted(read_script(far).script, dialogue, names)
    assert _ids(after) == _ids(dialogue)
    assert {line.voice for beat in after.beats for line in beat.lines
            if isinstance(line, SaidLine)} == {
                line.voice for beat in dialogue.beats for line in beat.lines
                if isinstance(line, SaidLine)}


def test_a_turn_that_is_not_there_yet_stays_by_its_name():
    text = "## A\nX: on\n  > there -> Somewhere\n-> Nowhere\n"
    dialogue, names = _planted(read_script(text).script)
    assert [(beat.leads, beat.missing) for beat in dialogue.beats] == [
        (None, ""), (None, "Nowhere")]
    assert written(script_of(dialogue, names)) == text
    more, _ = _planted(read_script(text + "## Nowhere [ending]\n").script, dialogue, names, seed=2)
    assert more.beats[1].leads == more.turns[1].id and more.beats[1].missing == ""


LARGE = ["[trust +9999999]", "[points 99999]", "[" + "x" * 90 + " +1]",
         "[" + "a +1, " * 25 + "once]",
         "Who (" + "m" * 60 + "): hm", "N" * 70 + ": hm", "## " + "T" * 200, "> r -> " + "L" * 200]


@given(text=st.lists(st.sampled_from(["## A", "X: hm", "  -> A", *LARGE]) | st.sampled_from(
    ["> " + one for one in LARGE]), max_size=20).map("\n".join))
def test_whatever_is_read_is_a_valid_dialogue(text):
    _planted(read_script(text).script)


def test_who_was_named_only_while_it_was_written_is_gone():
    dialogue, names = EMPTY, NOBODY
    for seed, name in enumerate(("P", "Pe", "Pel", "Pell")):
        script = read_script(f"{name}: Hello.").script
        dialogue, names = _planted(script, dialogue, names, seed)
    assert [speaker.name for speaker in dialogue.speakers] == ["Pell"]


def test_lines_to_be_spoken_have_files_and_tell_which_voice_is_old():
    dialogue = plant_script(read_script(
        "## A\nÉdda (calm): =1+1\nAdvice: Breathe.\n  > so\n    Pell: Oh.\n").script,
        Dialogue(id="thedialog", name="D"), Names(), fresh_ids(1)).dialogue
    lines = voice_lines(dialogue)
    assert [(one.file, one.speaker, one.words) for one in lines] == [
        ("01-edda", "Édda", "=1+1"), ("02-advice", "Advice", "Breathe."),
        ("03-pell", "Pell", "Oh.")]
    rows = list(csv.reader(io.StringIO(lines_csv(lines))))
    assert rows[:2] == [["File", "Speaker", "Mood", "Words"], ["01-edda", "Édda", "calm", "'=1+1"]]
    [beat, *others] = dialogue.beats
    spoken = beat.lines[0].model_copy(update={"voice": "thevoice", "voiced": "=1+1"})
    voiced = dialogue.model_copy(update={"beats": (
        beat.model_copy(update={"lines": (spoken, *beat.lines[1:])}), *others)})
    changed = plant_script(read_script(
        "## A\nÉdda (calm): Two.\nAdvice: Breathe.\n  > so\n    Pell: Oh.\n").script,
        voiced, Names(), fresh_ids(2)).dialogue
    assert [one.old for one in voice_lines(changed)] == [True, False, False]
    assert [one.voice for one in voice_lines(changed)] == ["thevoice", None, None]
