"""SCORM 1.2 interaction records read back: what a learner has answered, in words.

Source: ADL, *SCORM Version 1.2, The SCORM Run-Time Environment* (2001), section 3.4.7.
"""

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from typing import Any

from .recorded import OUT_OF, RecordedAnswer, listed, text_of
from .words import QuestionWords

_GOES_ON = re.compile(r"^(.+)\.([0-9]+)$")


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
        name = text_of(raw, "id")
        goes_on = _GOES_ON.match(name)
        if goes_on and answers and name not in questions and (
            (goes_on[1], goes_on[2]) == (open_[0], str(open_[1]))
        ):
            longer = answers[-1].answer + text_of(raw, "student_response")
            answers[-1] = replace(answers[-1], answer=longer)
            open_ = (open_[0], open_[1] + 1)
            continue
        open_ = (name, 2)
        answers.append(_one(index, raw, questions.get(name)))
    return answers


def _one(index: int, raw: Mapping[str, Any], words: QuestionWords | None) -> RecordedAnswer:
    name, type_, result = text_of(raw, "id"), text_of(raw, "type"), text_of(raw, "result")
    expected = [text_of(pattern, "pattern") for pattern in listed(raw.get("correct_responses"))]
    unjudged = type_ == "fill-in" and result in ("", "neutral") and not any(expected)
    in_words = _in_words(words)
    return RecordedAnswer(
        index=index, id=name, question=(words.prompt if words else "") or name, type=type_,
        answer=in_words(text_of(raw, "student_response")),
        expected=" or ".join(in_words(pattern) for pattern in expected if pattern),
        result=result, time=text_of(raw, "time"), latency=text_of(raw, "latency"),
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
