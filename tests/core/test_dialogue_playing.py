"""A dialogue as learners meet it: line by line, reply by reply, with points and values."""

from zigzag_core.course import Course, CourseDocument, Slide
from zigzag_core.course.dialogues import Dialogue, MoodPicture, Scenery, Speaker
from zigzag_core.course.names import Names
from zigzag_core.dialogue.reading import read_script
from zigzag_core.editing.dialogues.planting import plant_script
from zigzag_core.engine.results import points, score, success
from zigzag_core.program.limits import LIMITS
from zigzag_core.tracking import progress
from zigzag_core.tracking.scorm12 import interaction_calls
from zigzag_core.verification.findings.document import findings

from .making import Learner
from .samples import fresh_ids
from .test_dialogue_script import LATE_GUEST

AGAIN = "Start the conversation again"
EMPTY = Dialogue(id="thedialog", name="The late guest")


def course_of(text: str, **settings) -> CourseDocument:
    """A course of one slide on which a script is played, with these settings of the dialogue."""
    empty = EMPTY.model_copy(update=settings)
    made = plant_script(read_script(text).script, empty, Names(), fresh_ids(1))
    slide = Slide(id="slidea", title="At night", dialogues=(made.dialogue,))
    course = Course(id="course", title="Guests", slides=(slide.id,), variables=made.variables)
    return CourseDocument.model_validate(
        CourseDocument(course=course, slides=(slide,)).model_dump())


class Guest(Learner):
    """A learner who takes part in a dialogue."""

    @property
    def seen(self):
        """The words that are there: of lines, then of replies and buttons."""
        return [_words(e) for e in self.index.slides[self.slide].elements
                if self.sees(e.draw.id)]

    def takes(self, words):
        """Click what begins with these words."""
        return self.clicks(next(
            e.draw.id for e in self.index.slides[self.slide].elements
            if self.sees(e.draw.id) and _words(e).startswith(words)))

    def value(self, name):
        return next(self.state.variables[v.id] for v in self.index.program.variables
                    if v.name == name)


    @property
    def said(self):
        """The entries of what was said so far, the oldest first."""
        [dialogue] = self.index.slides[self.slide].dialogues
        return [dialogue.entries[ord(one) - LIMITS.first_said]
                for one in reversed(self.state.variables[dialogue.said])]

    @property
    def heard(self):
        """The words of what was said so far; directions by their kind."""
        words = {e.draw.id: _words(e) for e in self.index.slides[self.slide].elements}
        return [words[one.element] if one.element else one.kind for one in self.said]


def _words(element):
    draw = element.draw
    if draw.kind == "button":
        return draw.label
    return " / ".join("".join(run.text for run in block.runs) for block in draw.text.blocks)


def test_lines_come_one_by_one_and_replies_lead_on():
    guest = Guest(course_of(LATE_GUEST.replace("if Trust", "if trust")))
    assert guest.seen == [
        "Pell (worried) / It is dark, and the next hut is full. Is there a place left?",
        "Every bed is taken. I am sorry.", "Come in first. Then we see.",
        "How far have you walked?"]
    guest.takes("How far")
    assert guest.seen == ["Pell (tired) / Since seven. My boots are wet through.", "Continue"]
    guest.takes("Continue")
    assert guest.seen[1:] == ["Every bed is taken. I am sorry.", "Come in first. Then we see."]
    assert guest.value("trust") == 1
    guest.takes("Come in")
    assert guest.value("trust") == 3 and points(guest.index, guest.state) == 1
    assert guest.seen == [
        "Mira (calm) / Sit by the stove. Nobody is sent on after dark.", "Continue"]
    guest.takes("Continue")
    assert guest.seen[1:] == [
        "There is the bench, and soup.", "The bench costs the same as a bed."]
    guest.takes("There is the bench")
    assert guest.seen == ["A greeting, a seat, something warm. The rest can wait.", AGAIN]


def test_a_reply_is_there_only_under_its_condition():
    text = LATE_GUEST.replace("if Trust >= 2", "if trust >= 5")
    guest = Guest(course_of(text)).takes("Come in").takes("Continue")
    assert guest.seen[1:] == ["There is the bench, and soup."]


def test_each_reply_is_recorded_with_its_points():
    guest = Guest(course_of(LATE_GUEST))
    guest.takes("Come in")
    [effect] = [one for one in guest.effects if one["effect"] == "answered"]
    calls = dict(interaction_calls(guest.index, effect, 0, "09:00:00")[0])
    assert calls["cmi.interactions.0.result"] == "correct"
    assert calls["cmi.interactions.0.student_response"]


def test_a_question_that_comes_again_is_asked_again():
    guest = Guest(course_of("## A\nX: well?\n  > wrong -> B [points 0]\n  > right -> C [points 1]\n"
                            "## B\nX: no\n-> A\n## C [ending]\nX: yes\n"))
    guest.takes("wrong").takes("Continue")
    assert guest.seen == ["X / well?", "wrong", "right"]
    guest.takes("right")
    assert guest.seen == ["X / yes", AGAIN] and points(guest.index, guest.state) == 1


def test_whoever_comes_back_is_at_the_same_line():
    guest = Guest(course_of(LATE_GUEST)).takes("Come in").takes("Continue")
    text = progress.pack(guest.index, guest.state)
    back = Guest(course_of(LATE_GUEST))
    back.state = progress.unpack(back.index, text)
    assert back.seen == guest.seen and back.value("trust") == 2


def test_the_check_of_a_course_tells_what_is_wrong_with_its_dialogues():
    def codes(text):
        return {one.code for one in findings(course_of(text))} - {"scenery_missing"}

    assert codes(LATE_GUEST.replace("if Trust", "if trust")) == set()
    assert codes(LATE_GUEST) == {"condition_unread", "variable_never_read"}
    assert codes(LATE_GUEST.replace("if Trust", "if trust").replace("-> The price", "-> It")) == {
        "no_turn", "dialogue_breaks_off", "dialogue_unreached"}


def test_what_was_said_is_remembered_in_its_order():
    course = course_of("backdrop: hall\nX (cross): one\nsound: wind\nX: two\n  > yes\n"
                       "    pause: 2\n    Y: three\n## End [ending]\nAdvice: four\n")
    guest = Guest(course)
    assert guest.heard == ["backdrop", "X (cross) / one"]
    guest.takes("Continue")
    assert guest.heard[2:] == ["sound", "X / two"]
    guest.takes("yes")
    assert guest.heard[4:] == ["yes", "pause", "Y / three"]
    assert guest.said[-2].ms == 2_000
    back = Guest(course)
    back.state = progress.unpack(back.index, progress.pack(guest.index, guest.state))
    assert back.heard == guest.heard


def test_of_what_is_said_very_long_the_newest_is_remembered():
    guest = Guest(course_of("## A\nX: one\n  > more -> A\n"))
    for _ in range(200):
        guest.takes("more")
    assert len(guest.said) == 250 and guest.heard[-2:] == ["more", "X / one"]


def test_started_again_all_is_as_it_began():
    guest = Guest(course_of("## A\nX: well?\n  > no -> B [once, points 0, trust -2]\n"
                            "  > yes -> B [points 1, trust +3]\n## B [ending]\nX: so\n"))
    guest.takes("no")
    assert guest.value("trust") == -2
    guest.takes(AGAIN)
    assert guest.seen == ["X / well?", "no", "yes"] and guest.heard == ["X / well?"]
    guest.takes("yes")
    assert guest.value("trust") == 3 and points(guest.index, guest.state) == 1


def test_no_one_starts_again_what_may_not_be():
    guest = Guest(course_of("## A\nX: well?\n  > yes -> B\n## B [ending]\nX: so\n", again=False))
    guest.takes("yes")
    assert guest.seen == ["X / so"]


def test_advice_behind_replies_is_given_with_the_end():
    text = ("## A\nX: well?\n  > no\n    Advice: kinder\n    X: oh\n    -> B\n  > yes -> B\n"
            "## B [ending]\nX: so\nAdvice: breathe\n")
    guest = Guest(course_of(text, advice="at_end"))
    guest.takes("no")
    assert guest.seen == ["X / oh", "Continue"] and guest.heard[-2:] == ["kinder", "X / oh"]
    assert [one.later for one in guest.said if one.kind == "advice"] == [True]
    guest.takes("Continue").takes("Continue")
    assert guest.seen == ["breathe", AGAIN]
    at_once = Guest(course_of(text)).takes("no")
    assert at_once.seen == ["kinder", "Continue"]


def test_practice_is_recorded_but_does_not_count():
    text = "## A\nX: well?\n  > yes -> B [points 2]\n## B [ending]\nX: so\n"
    guest = Guest(course_of(text, purpose="practice")).takes("yes")
    assert points(guest.index, guest.state) == 0
    assert [one["effect"] for one in guest.effects if one["effect"] == "answered"]


def test_what_the_script_asks_for_and_nobody_has_drawn_is_found():
    text = "backdrop: hall\nX (cross): one\nX (calm): two\n## End [ending]\nX: so\n"

    def told(**settings):
        return {one.code: one.message for one in findings(course_of(text, **settings))}

    assert "hall" in told()["scenery_missing"] and "mood_missing" not in told()
    drawn = Speaker(id="speakerx", name="X", moods=(MoodPicture(mood="Cross", picture="picturea"),))
    found = told(speakers=(drawn,), scenery=(
        Scenery(kind="backdrop", words="Hall", media="picturea"),))
    assert "calm" in found["mood_missing"] and "scenery_missing" not in found


def test_held_back_advice_that_leads_to_itself_ends_no_compiler():
    text = "## A\nAdvice: first\nX: hi\n  > go -> B\n## B\nAdvice: round\n-> B\n"
    guest = Guest(course_of(text, advice="at_end"))
    assert guest.seen == ["first", "Continue"]
    guest.takes("Continue").takes("go")
    assert guest.seen == ["round", "Continue"]


def test_a_line_of_nobody_who_is_there_is_as_advice():
    course = course_of("## A\nX: hi\n## B [ending]\nX: so\n")
    [dialogue] = course.slides[0].dialogues
    gone = course.slides[0].model_copy(update={
        "dialogues": (dialogue.model_copy(update={"speakers": ()}),)})
    guest = Guest(course.model_copy(update={"slides": (gone,)}))
    assert [one.kind for one in guest.said] == ["advice"]


FORKED = ("## A\nX: well?\n  > left -> L [points 1]\n  > right -> R [points 2]\n"
          "## L [ending good]\nX: so?\n  > yes -> E [points 3]\n  > no -> E\n"
          "## R [ending bad]\nX: so\n## E [ending]\nX: bye\n")


def test_what_can_be_reached_is_what_the_best_way_gives():
    guest = Guest(course_of(FORKED))
    guest.takes("left").takes("yes")
    assert points(guest.index, guest.state) == 4 and score(guest.index, guest.state) == 100
    assert success(guest.index, guest.state) == "passed"


def test_who_has_ended_badly_has_failed_whatever_was_not_asked():
    guest = Guest(course_of(FORKED))
    assert success(guest.index, guest.state) == "unknown"
    guest.takes("right")
    assert score(guest.index, guest.state) == 50
    assert success(guest.index, guest.state) == "failed"
    assert success(guest.index, guest.takes(AGAIN).takes("left").takes("yes").state) == "passed"
