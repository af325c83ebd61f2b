"""The words behind the ids and signs of a package's records, for an LMS that shows them.

They lie beside the manifest as ``zigzag.json``. No standard asks for it; an LMS that does not know
it shows the records as they are.
"""

from pydantic import BaseModel

from zigzag_core.course.json_text import read_json

FILE = "zigzag.json"
LARGEST = 4_000_000


class QuestionWords(BaseModel):
    """A question in words: `answers` by the signs and ids that its records use for them.

    `points` are what it is worth, `model` is the answer that markers compare with.
    """

    prompt: str
    kind: str = ""
    answers: dict[str, str] = {}
    points: float = 0
    model: str = ""


class PackageWords(BaseModel):
    """A package in words: `questions` by the id in their records, titles of slides in `places`,
    those of quizzes and dialogues by the id of their objective.
    """

    course: str = ""
    title: str = ""
    slides: int = 0
    places: dict[str, str] = {}
    questions: dict[str, QuestionWords] = {}
    quizzes: dict[str, str] = {}


def read_words(data: bytes | None) -> PackageWords:
    """Return the words that a package brings; none where they cannot be read or are too many."""
    if data is None or len(data) > LARGEST:
        return PackageWords()
    try:
        return PackageWords.model_validate(read_json(data))
    except ValueError:
        return PackageWords()
