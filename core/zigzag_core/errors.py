"""All errors that people are told. Each says what happened, where, and what to do.

An interface catches `Refusal`, of which all of them are: whatever was asked for was not done,
and nothing was changed.
"""

from typing import ClassVar


class Refusal(ValueError):
    """What was asked for cannot be done.

    Its text is for people: what happened and, where that helps, what to do. `code` names the sort
    of the refusal for programs. `at` is the place in what was sent, counted in characters from 0,
    where there is one.
    """

    code: ClassVar[str] = "refused"

    def __init__(self, words: str, at: int | None = None) -> None:
        super().__init__(words)
        self.at = at


# Courses


class NewerFormat(Refusal):
    """A document was written by a newer Zigzag than this one."""

    code = "newer_format"


class NothingToPublish(Refusal):
    """The course has no slides."""

    code = "no_slides"

    def __init__(self) -> None:
        super().__init__("The course has no slides yet, so there is nothing to run or to publish. "
                         "Add a slide in Build and try again.")


class OtherProgram(Refusal):
    """A package holds a program in a form of another Zigzag."""

    code = "other_program"


class CannotMake(Refusal):
    """A pattern cannot be made of what is selected."""

    code = "no_pattern"


class NoQuiz(Refusal):
    """A section that is to be edited as a quiz is none."""

    code = "no_quiz"

    def __init__(self) -> None:
        super().__init__("There is no such quiz in this course. Load the page again.")


class NotAQuestion(Refusal):
    """What was written down is no question."""

    code = "not_a_question"


class TooLong(Refusal):
    """A text holds more than is taken at once, or more than there is room for."""

    code = "too_long"


class CannotAsk(Refusal):
    """A question cannot be made, or turned into another, as asked for."""

    code = "cannot_ask"


class BadTable(Refusal):
    """A text is no answer table, or a table would be too large."""

    code = "bad_table"


class NotReadable(Refusal):
    """A typed expression could not be read; `at` is the place in its text."""

    code = "not_readable"


# Files


class BadFile(Refusal):
    """A file is not what it should be, or not harmless."""

    code = "bad_file"


class BadArchive(BadFile):
    """An archive is damaged, is a trap, or holds no course or package."""

    code = "bad_archive"


class BadPicture(BadFile):
    """A picture cannot be shown."""

    code = "bad_picture"


class BadDrawing(BadPicture):
    """A drawing (SVG) cannot be read."""

    code = "bad_drawing"


class BadPlaying(BadFile):
    """A video or sound cannot be played."""

    code = "bad_playing"


class CannotSpeak(Refusal):
    """Words cannot become voice."""

    code = "cannot_speak"


class BadCaptions(BadFile):
    """A text holds no captions."""

    code = "bad_captions"


# Saved progress


class Damaged(Refusal):
    """Saved progress is not what was written."""

    code = "damaged"


class OtherCourse(Refusal):
    """Saved progress belongs to another course, or to a newer publication."""

    code = "other_course"


# Records of learning


class BadStatement(Refusal):
    """What was sent to a record store is no statement; `where` is the path to what is wrong."""

    code = "bad_statement"

    def __init__(self, where: str, why: str) -> None:
        super().__init__(f"{where or 'The statement'}: {why}.")
        self.where = where
