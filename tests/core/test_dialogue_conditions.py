"""Dialogues whose lines and ways have conditions, that a rule starts, and that are gone back in."""

import pytest
from zigzag_core.course import Button, MediaFile
from zigzag_core.course.dialogues import MoodPicture, Speaker
from zigzag_core.course.names import Names
from zigzag_core.course.rules.rule import Happens, Rule, StartOver
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.leading import leads_of
from zigzag_core.dialogue.reading import read_script
from zigzag_core.dialogue.ways import ways_of
from zigzag_core.dialogue.writing import written
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.engine.objectives import objectives, objectives_of
from zigzag_core.engine.results import points
from zigzag_core.tracking import progress
from zigzag_core.tracking.scorm12 import interaction_calls, status_calls
from zigzag_core.verification.findings.document import findings

from .test_dialogue_playing import AGAIN, Guest, course_of
from .test_quiz_taking import taken_course

BACK = "Try another reply"
BANDS = """\
## Door
Pell: Is there a place left?
  > No. -> End [points 0, trust -2]
  > Come in. -> End [points 2, trust +3]
  > Perhaps. -> End [points 1]

## End [ending]
Pell (calm): Thank you. [if trust >= 0]
Advice: All of it was said. [if trust >= 3]
Advice: A warm word was missing. [if trust = 0]
Advice: Nobody is sent on after dark. [if trust < 0]
"""
LEADS = """\
## Door
Pell: Is there a place left?
  > No. -> After [trust -2]
  > Come in. -> After [trust +3]

## After
sound: door
-> Well [if trust >= 0]
-> Badly

## Well [ending good]
Pell: Thank you.

## Badly [ending bad]
Pell: Then I walk on.
"""


def test_what_is_said_at_the_end_follows_from_how_it_went():
    guest = Guest(course_of(BANDS)).takes("Come in")
    assert guest.seen == ["Pell (calm) / Thank you.", "Continue"]
    guest.takes("Continue")
    assert guest.seen == ["All of it was said.", AGAIN]
    assert guest.heard == ["Pell / Is there a place left?", "Come in.", "Pell (calm) / Thank you.",
                           "All of it was said."]


def test_lines_whose_condition_does_not_hold_are_passed_over():
    guest = Guest(course_of(BANDS)).takes("No.")
    # Nothing follows any more: the dialogue is over with this line, not one click later.
    assert guest.seen == ["Nobody is sent on after dark.", AGAIN]
    assert guest.heard[2:] == ["Nobody is sent on after dark."] and guest.value("End") is True
    guest.takes(AGAIN).takes("Perhaps").takes("Continue")
    assert guest.seen == ["A warm word was missing.", AGAIN]


def test_a_line_with_replies_is_left_out_and_the_replies_are_there():
    text = BANDS.replace("place left?", "place left? [if trust > 0]")
    guest = Guest(course_of(text))
    assert guest.seen[-3:] == ["No.", "Come in.", "Perhaps."] and guest.heard == []
    guest.takes("Come in")
    assert guest.heard[0] == "Come in."


def test_a_way_is_taken_under_its_condition():
    well, badly = Guest(course_of(LEADS)).takes("Come in"), Guest(course_of(LEADS)).takes("No")
    assert well.seen == ["Pell / Thank you.", AGAIN] and well.value("Well") is True
    assert badly.seen == ["Pell / Then I walk on.", AGAIN]
    assert badly.value("Badly") is True and badly.value("Well") is False
    assert badly.heard[1:] == ["No.", "sound", "Pell / Then I walk on."]


def test_ways_with_conditions_are_counted_and_drawn():
    read = read_script(LEADS)
    graph = graph_of(read.script)
    ways = ways_of(graph)
    assert read.mistakes == () and ways.count == 4 and ways.dead_ends == ()
    assert {name: count for name, _, count in ways.endings} == {"Well": 2, "Badly": 2}
    assert [(one.source, one.target, one.conditional) for one in leads_of(graph)] == [
        (0, 1, False), (1, 2, True), (1, 3, False)]


def test_a_condition_is_told_that_stands_where_none_is_asked():
    [mistake] = read_script("A: Hello -> B [if trust > 1]\n## B [ending]\nA: Bye.").mistakes
    assert mistake.code == "condition" and mistake.line == 1


def test_many_conditions_in_a_row_are_bounded():
    lines = "".join(f"P: Line {n}. [if trust > {n}]\n" for n in range(60))
    text = f"## A\nP: First.\n  > Go on. [trust +0]\n{lines}## Z [ending]\nP: Bye.\n"
    guest = Guest(course_of(text))
    guest.takes("Go on")
    # Twenty are asked; what stands behind them is taken to hold.
    assert guest.seen == ["P / Line 20.", "Continue"]


def test_lines_that_lead_round_under_conditions_come_to_an_end():
    text = "## A\nP: Now. [if trust > 9]\n-> A [if trust > 5]\n-> A\n## E [ending]\nP: Bye.\n"
    assert Guest(course_of(text)).seen


def test_advice_that_is_held_back_and_leads_round_is_seen_after_all():
    text = ("## A\nP: Well?\n  > Yes. -> B\n## B\nAdvice: One.\nAdvice: Two.\n-> B\n"
            "## E [ending]\nP: Bye.\n")
    guest = Guest(course_of(text, advice="at_end")).takes("Yes")
    assert guest.seen == ["One.", "Continue"]
    assert guest.takes("Continue").seen[-1] == "Continue"


def test_much_advice_that_is_held_back_is_compiled_soon():
    advice = "\n".join(f"Advice: Word {n}." for n in range(3_000))
    text = f"## A\nP: Well?\n  > Yes. -> B\n## B\n{advice}\n-> E\n## E [ending]\nP: Bye.\n"
    assert Guest(course_of(text, advice="at_end")).takes("Yes").seen == ["P / Bye.", AGAIN]


def test_a_dialogue_that_a_rule_starts_waits_for_it():
    document = course_of(BANDS, starts="by_rule")
    [slide] = document.slides
    begin = Rule(id="rulea", when=Happens(event="clicked"),
                 do=(StartOver(what="dialogue", dialogue="thedialog"),))
    button = Button(id="buttona", name="Talk", label="Talk to the guest", rules=(begin,))
    document = document.model_copy(update={"slides": (
        slide.model_copy(update={"elements": (button,)}),)})
    never = [one.message for one in findings(course_of(BANDS, starts="by_rule"))
             if one.code == "dialogue_never_starts"]
    assert never == [
        "The dialogue “The late guest” waits for a rule, but none starts it over."]
    assert "dialogue_never_starts" not in {one.code for one in findings(document)}
    guest = Guest(document)
    assert guest.seen == ["Talk to the guest"] and guest.heard == []
    guest.takes("Talk")
    assert guest.heard == ["Pell / Is there a place left?"] and "No." in guest.seen
    guest.takes("No.").takes(AGAIN)
    assert guest.heard == ["Pell / Is there a place left?"]


def test_a_first_line_may_have_a_condition():
    text = ("## A\nP: Again? [if trust > 9]\nP: Hello.\n  > Yes. [trust +1]\n"
            "## B [ending]\nP: Bye.\n")
    guest = Guest(course_of(text))
    assert guest.seen == ["P / Hello.", "Yes."] and guest.heard == ["P / Hello."]


def test_one_goes_back_to_the_last_reply_with_all_values():
    guest = Guest(course_of(BANDS, back=True)).takes("No.")
    assert guest.seen[1:] == [BACK, AGAIN] and guest.value("trust") == -2
    guest.takes(BACK)
    assert guest.seen[1:] == ["No.", "Come in.", "Perhaps."] and guest.value("trust") == 0
    assert guest.heard == ["Pell / Is there a place left?"]
    guest.takes("Come in").takes("Continue")
    assert guest.value("trust") == 3 and guest.seen[0] == "All of it was said."
    [one] = objectives(guest.index, guest.state)
    assert one.score == 100


def test_where_one_went_back_is_kept():
    guest = Guest(course_of(BANDS, back=True)).takes("No.")
    guest.state = progress.unpack(guest.index, progress.pack(guest.index, guest.state))
    assert guest.takes(BACK).value("trust") == 0


def test_a_dialogue_is_an_objective_of_its_own():
    guest = Guest(course_of(LEADS.replace("trust +3", "points 2, trust +3")))

    def told():
        return {name: value for name, value in status_calls(guest.index, guest.state)
                if name.startswith("cmi.objectives.0.")}

    assert told()["cmi.objectives.0.status"] == "not attempted"
    guest.takes("No.")
    assert told() == {
        "cmi.objectives.0.id": "the-late-guest_thedialog", "cmi.objectives.0.score.min": "0",
        "cmi.objectives.0.score.max": "100", "cmi.objectives.0.score.raw": "0",
        "cmi.objectives.0.status": "failed"}
    guest.takes(AGAIN).takes("Come in")
    assert told()["cmi.objectives.0.status"] == "passed"
    assert told()["cmi.objectives.0.score.raw"] == "100"
    effect = [one for one in guest.effects if one["effect"] == "answered"][-1]
    assert objectives_of(guest.index, effect["question"]) == ["the-late-guest_thedialog"]
    [calls] = interaction_calls(guest.index, effect, 0, "09:00:00")
    assert ("cmi.interactions.0.objectives.0.id", "the-late-guest_thedialog") in calls


def test_a_dialogue_without_good_and_bad_endings_is_completed():
    guest = Guest(course_of(BANDS, purpose="practice")).takes("Come in")
    assert [one.status for one in objectives(guest.index, guest.state)] == ["incomplete"]
    guest.takes("Continue")
    [one] = objectives(guest.index, guest.state)
    assert one.status == "completed" and one.score is None


@pytest.mark.parametrize("judged", ["each", "end"])
def test_in_a_quiz_replies_count_as_its_questions_do(judged):
    quiz, talk = taken_course(judged=judged), course_of(BANDS)
    slides = list(quiz.slides)
    slides[1] = slides[1].model_copy(update={
        "questions": (), "elements": (), "dialogues": talk.slides[0].dialogues})
    course = quiz.course.model_copy(update={
        "variables": (*quiz.course.variables, *talk.course.variables)})
    guest = Guest(quiz.model_copy(update={"slides": tuple(slides), "course": course}))
    guest.does("next")
    # What is said goes on at once, whenever it is judged.
    guest.takes("Come in")
    assert guest.seen == ["Pell (calm) / Thank you.", "Continue"]
    assert points(guest.index, guest.state) == (2 if judged == "each" else 0)
    assert [one.status for one in objectives(guest.index, guest.state)] == ["incomplete"] * 2
    for _ in range(5):
        guest.does("next")
    assert points(guest.index, guest.state) == 2
    assert [one.status for one in objectives(guest.index, guest.state)] == ["failed", "incomplete"]


def test_a_condition_that_cannot_be_read_stays_as_it_was_typed():
    document = course_of(BANDS.replace("if trust = 0", "if Mood of the guest"))
    [told] = [one for one in findings(document) if one.code == "condition_unread"]
    assert "“Mood of the guest”. It is taken to hold." in told.message
    names = Names({"variables": {one.id: one.name for one in document.course.variables}})
    assert "[if Mood of the guest]" in written(script_of(document.slides[0].dialogues[0], names))


def test_pictures_are_told_that_no_line_shows():
    moods = tuple(MoodPicture(mood=mood, picture=picture) for mood, picture in (
        ("", "pica"), ("calm", "picb"), ("glad", "picc"), ("Cross", "picd")))
    pell = Speaker(id="pell", name="Pell", moods=moods)
    document = course_of(BANDS + "\n## Nowhere\nPell (cross): No.\n", speakers=(pell,))
    files = tuple(MediaFile(id=name, name=name, type="image/png", sha256="0" * 64, size=1,
                            recoloured=name == "picc") for name in ("pica", "picb", "picc", "picd"))
    document = document.model_copy(update={
        "course": document.course.model_copy(update={"media": files})})
    assert [one.message for one in findings(document) if one.code == "mood_unshown"] == [
        "In the dialogue “The late guest” “Pell” never shows the pictures for: Cross."]
