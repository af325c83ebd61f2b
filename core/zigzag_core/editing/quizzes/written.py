"""Questions as somebody has written them down, and what cannot be one."""

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from zigzag_core.course.questions.descriptors import DESCRIPTORS, QuestionKind
from zigzag_core.course.quizzes import LEVELS, Level
from zigzag_core.course.text.numbers import number_in
from zigzag_core.errors import NotAQuestion
from zigzag_core.words import say_english

WrittenKind = Literal[
    "single_choice", "multiple_response", "true_false", "blanks", "short_text", "numeric",
    "matching", "ordering", "open_answer",
]
"""The kinds of questions that can be written down."""

MOST_QUESTIONS = 500
LONGEST_QUESTION = 2_000
LONGEST_ANSWER = 500
MOST_ACCEPTED = 100
MOST_TAGS, LONGEST_TAG = 20, 40
LARGEST_NUMBER = 1e15
_BLANK = re.compile(r"__(.+?)__")
_COUNTED = re.compile(r"^\s*(\d{1,3})\s+(?:x\s+|×\s+)?([A-Za-z][A-Za-z /_-]{3,30})\s*$")
_PAIR = re.compile(r"\s=\s")
_OFF = re.compile(r"^(.+?)\s*(?:±|\+/-)\s*(.+)$")
_YES, _NO = ("true", "yes", "right"), ("false", "no", "wrong")


@dataclass(frozen=True)
class Written:
    """A question as it was written, beginning at `line` (from 1).

    `answers` are all of them in order, and whether they are right: words that are accepted, steps
    in their order, pairs with ``=`` between them. An empty `kind` is for `understood` to find.
    One that is to be a new question of its kind, still to be written, is a `sample`.
    """

    line: int
    prompt: str = ""
    kind: WrittenKind | Literal[""] = ""
    answers: tuple[tuple[str, bool], ...] = ()
    sample: QuestionKind | None = None
    points: float = 1
    attempts: int = 1
    level: Level | None = None
    tags: tuple[str, ...] = ()
    set: str = ""
    said_right: str = ""
    said_wrong: str = ""
    pairs: tuple[tuple[str, str], ...] = ()
    number: tuple[float, float] | None = None
    """A number that is right, and by how much an answer may differ from it."""

    @property
    def right(self) -> tuple[str, ...]:
        """The right answers."""
        return tuple(words for words, right in self.answers if right)


@dataclass(frozen=True)
class Misread:
    """What stands at `line` (from 1), and why it is no question."""

    line: int
    words: str
    why: str


def kind_named(words: str) -> QuestionKind:
    """Return the kind of question that `words` name. Raises `NotAQuestion`."""
    wanted = re.sub(r"[^a-z]+", " ", words.lower()).strip().removesuffix(" questions")
    for kind, descriptor in DESCRIPTORS.items():
        if wanted in (kind.replace("_", " "), descriptor.title.lower()):
            return kind
    raise NotAQuestion(f"There is no kind of question “{words.strip()[:60]}”. There are: "
                       + ", ".join(kind.replace("_", " ") for kind in DESCRIPTORS) + ".")


def understood(written: Written) -> Written:
    """Return a question with its kind, checked. Raises `NotAQuestion`."""
    if not written.prompt:
        raise NotAQuestion("There is no question text.")
    if len(written.prompt) > LONGEST_QUESTION:
        raise NotAQuestion(f"A question text has {LONGEST_QUESTION:,} characters at most.")
    if any(len(words) > LONGEST_ANSWER for words, _ in written.answers):
        raise NotAQuestion(f"An answer has {LONGEST_ANSWER} characters at most.")
    kind = written.kind or _kind_of(written)
    return _CHECKS[kind](replace(written, kind=kind))


def counted(text: str) -> tuple[Written, ...]:
    """Return new questions as many as `text` says: “5 single choice, 3 true or false”.

    None where it says something else. Raises `NotAQuestion` where it names no kind.
    """
    parts = [_COUNTED.match(part) for part in re.split(r"[,;\n]", text) if part.strip()]
    if not parts or not all(parts):
        return ()
    made: list[Written] = []
    for part in filter(None, parts):
        kind = kind_named(part[2])
        made += (Written(line=1, prompt=say_english(f"ask_{kind}"), sample=kind)
                 for _ in range(int(part[1])))
    return tuple(made)


def blanks_in(text: str) -> list[str]:
    """Return `text` in pieces: words, and between them what belongs into a blank."""
    return _BLANK.split(text)


def accepted_in(blank: str) -> tuple[str, ...]:
    """Return the words that are accepted in a blank."""
    return tuple(word.strip() for word in blank.split("|") if word.strip()) or (blank,)


def _kind_of(written: Written) -> WrittenKind:
    right, count = written.right, len(written.answers)
    if _BLANK.search(written.prompt):
        return "blanks"
    if count > len(right):
        yes_no = {words.lower() for words, _ in written.answers}
        if count == 2 and yes_no in ({"true", "false"}, {"yes", "no"}):
            return "true_false"
        return "single_choice" if len(right) == 1 else "multiple_response"
    if count > 1 and all(_PAIR.search(words) for words in right):
        return "matching"
    if count == 1 and right[0].lower() in _YES + _NO:
        return "true_false"
    if count == 1 and right[0].lower() in ("free", "open"):
        return "open_answer"
    if count == 1 and _number(right[0]) is not None:
        return "numeric"
    if count:
        return "short_text"
    raise NotAQuestion("There is no answer. Mark answers with - [x] and - [ ], or write “Answer:”.")


def _choose(written: Written) -> Written:
    most = DESCRIPTORS["single_choice"].lists["choices"]
    if len(written.answers) < 2:
        raise NotAQuestion("A choice needs two answers or more.")
    if len(written.answers) > most:
        raise NotAQuestion(f"A choice has {most} answers at most.")
    if not written.right:
        raise NotAQuestion("No answer is marked as right. Put an x into its brackets: - [x].")
    if written.kind == "single_choice" and len(written.right) > 1:
        raise NotAQuestion("A single choice has one right answer.")
    return written


def _truth(written: Written) -> Written:
    """`answers` become whether the statement is true."""
    said = next(iter(written.right), "").lower()
    if said not in _YES + _NO:
        raise NotAQuestion("Say whether it is true: “Answer: true” or “Answer: false”.")
    return replace(written, answers=(("true", said in _YES), ("false", said in _NO)))


def _blanks(written: Written) -> Written:
    words = blanks_in(written.prompt)[1::2]
    if not words:
        raise NotAQuestion("Mark the blanks in the text: Wet __boots__ go into the drying room.")
    if len(words) > DESCRIPTORS["blanks"].lists["blanks"]:
        raise NotAQuestion("There are too many blanks in one question.")
    for blank in words:
        _check_accepted(accepted_in(blank))
    return written


def _accepted(written: Written) -> Written:
    if not written.right:
        raise NotAQuestion("There is no answer that is right: write “Answer:” and the words.")
    _check_accepted(written.right)
    return replace(written, answers=tuple((words, True) for words in written.right))


def _check_accepted(words: Sequence[str]) -> None:
    if len(words) > MOST_ACCEPTED or any(len(one) > LONGEST_ANSWER for one in words):
        raise NotAQuestion(f"At most {MOST_ACCEPTED} answers of {LONGEST_ANSWER} characters "
                           "can be accepted in one place.")


def _numeric(written: Written) -> Written:
    number = _number(next(iter(written.right), ""))
    if number is None:
        raise NotAQuestion("The answer is no number: write “Answer: 12” or “Answer: 12 ± 0.5”.")
    return replace(written, number=number)


def _matching(written: Written) -> Written:
    pairs = [_PAIR.split(words, 1) for words in written.right]
    if len(pairs) < 2 or any(len(pair) < 2 for pair in pairs):
        raise NotAQuestion("Matching needs two pairs or more, each with = between its two.")
    if len(pairs) > DESCRIPTORS["matching"].lists["items"]:
        raise NotAQuestion("There are too many pairs in one question.")
    made = tuple((pair[0].strip(), pair[1].strip()) for pair in pairs)
    if len({partner for _, partner in made}) < len(made):
        raise NotAQuestion("Two pairs have the same partner.")
    return replace(written, pairs=made)


def _ordering(written: Written) -> Written:
    if len(written.answers) < 2:
        raise NotAQuestion("Ordering needs two steps or more.")
    if len(written.answers) > DESCRIPTORS["ordering"].lists["items"]:
        raise NotAQuestion("There are too many steps in one question.")
    return written


def _open(written: Written) -> Written:
    return replace(written, answers=())


def _number(text: str) -> tuple[float, float] | None:
    parts = _OFF.match(text)
    value = number_in(parts[1] if parts else text)
    off = number_in(parts[2]) if parts else 0.0
    if value is None or off is None or off < 0 or max(abs(value), off) > LARGEST_NUMBER:
        return None
    return value, off


_CHECKS: Mapping[WrittenKind, Callable[[Written], Written]] = {
    "single_choice": _choose, "multiple_response": _choose, "true_false": _truth,
    "blanks": _blanks, "short_text": _accepted, "numeric": _numeric, "matching": _matching,
    "ordering": _ordering, "open_answer": _open,
}


def with_setting(written: Written, name: str, value: str) -> Written:
    """Return a question with one of its settings, by its name. Raises `NotAQuestion`."""
    match name:
        case "points":
            points = number_in(value)
            if points is None or not 0 <= points <= 10_000:
                raise NotAQuestion("Points are a number from 0 to 10,000.")
            return replace(written, points=points)
        case "attempts":
            count = number_in(value)
            if count is None or count != int(count) or not 1 <= count <= 100:
                raise NotAQuestion("Attempts are a whole number from 1 to 100.")
            return replace(written, attempts=int(count))
        case "level":
            level = next((one for one in LEVELS if one == value.lower()), None)
            if level is None:
                raise NotAQuestion(f"A level is one of: {', '.join(LEVELS)}.")
            return replace(written, level=level)
        case "tags":
            return replace(written, tags=_tags(value.split(",")))
        case "set":
            return replace(written, set=_up_to(200, name, value))
        case "feedback when right":
            return replace(written, said_right=_up_to(LONGEST_QUESTION, name, value))
        case "feedback when wrong":
            return replace(written, said_wrong=_up_to(LONGEST_QUESTION, name, value))
        case "kind":
            return replace(written, kind=_written_kind(value))
    raise KeyError(name)


SETTINGS = ("points", "attempts", "level", "tags", "set", "feedback when right",
            "feedback when wrong", "kind")
"""What can be set for a written question, by name."""


def _written_kind(words: str) -> WrittenKind:
    kind = next((one for one in _CHECKS if one == kind_named(words)), None)
    if kind is None:
        raise NotAQuestion(f"A question of the kind “{words[:60]}” cannot be written as text. Make "
                           "it with its number: 1 " + words[:60] + ".")
    return kind


def _up_to(most: int, name: str, words: str) -> str:
    if len(words) > most:
        raise NotAQuestion(f"“{name.capitalize()}” has {most:,} characters at most.")
    return words


def _tags(words: Sequence[str]) -> tuple[str, ...]:
    tags = tuple(dict.fromkeys(tag for word in words if (tag := word.strip())))
    if len(tags) > MOST_TAGS or any(len(tag) > LONGEST_TAG for tag in tags):
        raise NotAQuestion(f"A question has {MOST_TAGS} tags of {LONGEST_TAG} characters at most.")
    return tags
