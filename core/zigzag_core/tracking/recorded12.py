"""SCORM 1.2 interaction records read back: what a learner has answered, in words.

Source: ADL, *SCORM Version 1.2, The SCORM Run-Time Environment* (2001), section 3.4.7.
"""

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from .words import QuestionWords

OUT_OF = 10
"""What an answer is marked out of where the package does not say what it is worth."""

_GOES_ON = re.compile(r"^(.+)\.([0-9]+)$")


@dataclass(frozen=True)
class RecordedAnswer:
    """One recorded answer. `index` is where its record stands in its visit.

    `answer` and `expected` are in words where the package brings them. An answer `to_mark` has
    neither right nor wrong in it; it is worth up to `out_of`, and `model` is one to compare with.
    """

    index: int
    question: str
    type: str
    answer: str
    expected: str
    result: str
    time: str
    latency: str
    to_mark: bool = False
    out_of: float = OUT_OF
    model: str = ""


def recorded_answers(
    interactions: Sequence[Mapping[str, Any]], questions: Mapping[str, QuestionWords]
) -> list[RecordedAnswer]:
    """Return the answers that the records of one visit hold, in the order they were given.

    `questions` are by the id in their records. Records may be hostile: whatever is not text is
    read as text or as nothing.
    """
    answers: list[RecordedAnswer] = []
    open_: tuple[str, int] = ("", 0)
    """The id of the record that further ones may go on, and the number of the next."""
    for index, raw in enumerate(interactions):
        name = _text(raw, "id")
        goes_on = _GOES_ON.match(name)
        if goes_on and answers and name not in questions and (
            (goes_on[1], goes_on[2]) == (open_[0], str(open_[1]))
        ):
            longer = answers[-1].answer + _text(raw, "student_response")
            answers[-1] = replace(answers[-1], answer=longer)
            open_ = (open_[0], open_[1] + 1)
            continue
        open_ = (name, 2)
        answers.append(_one(index, raw, questions.get(name)))
    return answers


def _one(index: int, raw: Mapping[str, Any], words: QuestionWords | None) -> RecordedAnswer:
    name, type_, result = _text(raw, "id"), _text(raw, "type"), _text(raw, "result")
    expected = [_text(pattern, "pattern") for pattern in listed(raw.get("correct_responses"))]
    unjudged = type_ == "fill-in" and result in ("", "neutral") and not any(expected)
    in_words = _in_words(words)
    return RecordedAnswer(
        index=index, question=(words.prompt if words else "") or name, type=type_,
        answer=in_words(_text(raw, "student_response")),
        expected=" or ".join(in_words(pattern) for pattern in expected if pattern),
        result=result, time=_text(raw, "time"), latency=_text(raw, "latency"),
        to_mark=unjudged and (words is None or words.kind in ("", "open_answer")),
        out_of=words.points if words and words.points > 0 else OUT_OF,
        model=words.model if words else "",
    )


def _in_words(words: QuestionWords | None) -> Callable[[str], str]:
    answers = words.answers if words else {}

    def rated(text: str) -> str:
        rows = [row.partition("=") for row in text.split("; ")]
        if not all(sign in answers and value for sign, _, value in rows):
            return text
        return "; ".join(f"{answers[sign]}: {value}" for sign, _, value in rows)

    def chosen(text: str) -> str:
        signs = text.split(",")
        return ", ".join(answers[s] for s in signs) if all(s in answers for s in signs) else text

    return rated if words and words.kind == "rating_scale" else chosen


def _text(raw: Mapping[str, Any], name: str) -> str:
    return str(raw.get(name) or "")


def listed(value: object) -> list[dict[str, Any]]:
    """Return records as a list, whether they came as one or as an object by number."""
    if isinstance(value, dict):
        inner = value.get("childArray")
        items = inner if isinstance(inner, list) else [
            value[key] for key in sorted((k for k in value if str(k).isdecimal()), key=int)
        ]
    else:
        items = value if isinstance(value, list) else []
    return [item for item in items if isinstance(item, dict)][:5_000]
