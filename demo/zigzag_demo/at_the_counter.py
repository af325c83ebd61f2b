"""*At the Counter*, a third demo course: one dialogue that takes all of its slide."""

from zigzag_core.course import CourseDocument, NumberVariable
from zigzag_core.course.dialogues import ShownValue

from .builder import CourseBuilder
from .conversations import dialogue

PATIENCE = NumberVariable(
    id="patienceoflenders", name="patience", description="How patient the borrower still is")


def at_the_counter() -> tuple[CourseDocument, dict[str, bytes]]:
    """Return the course and its media by SHA-256."""
    b = CourseBuilder("At the Counter", seed=408)
    at = b.slide_ids("counter")
    talk = dialogue(
        b, "at_the_counter", "At the counter", {"Kirrin": "kirrin"}, {"tool room": "tool-room"},
        values=(PATIENCE,), shows=(ShownValue(variable=PATIENCE.id, low=-3, high=3),))
    b.slide(at["counter"], "At the counter", [], does={"dialogues": (
        talk.model_copy(update={"x": 0, "y": 0, "w": 1280, "h": 720}),)})
    return b.build(variables=(PATIENCE,)), b.media
