"""SCORM 2004 interaction records read back: what a learner has answered, in words.

Source: ADL, *SCORM 2004 4th Edition, Run-Time Environment* (2009), section 4.2.9.
"""

import re
from collections.abc import Mapping, Sequence
from typing import Any

from .recorded import OUT_OF, RecordedAnswer, listed, text_of
from .words import QuestionWords

_PROPERTY = re.compile(r"\{(?:lang|case_matters|order_matters)=[^}]*\}")
_UNJUDGED = ("fill-in", "long-fill-in", "other")
_RESULTS = {"incorrect": "wrong"}
"""As SCORM 1.2 calls them: one word for each, wherever it comes from."""


def recorded_answers(
    interactions: Sequence[Mapping[str, Any]], questions: Mapping[str, QuestionWords]
) -> list[RecordedAnswer]:
    """Return the answers that the records of one visit hold, in the order they were given.

    `questions` are by the id in their records. Records may be hostile: whatever is not text is
    read as text or as nothing.
    """
    return [_one(index, raw, questions.get(text_of(raw, "id")))
            for index, raw in enumerate(interactions)]


def _one(index: int, raw: Mapping[str, Any], words: QuestionWords | None) -> RecordedAnswer:
    name, type_, result = text_of(raw, "id"), text_of(raw, "type"), text_of(raw, "result")
    expected = [text_of(one, "pattern") for one in listed(raw.get("correct_responses"))]
    unjudged = type_ in _UNJUDGED and result in ("", "neutral") and not any(expected)
    prompt = (words.prompt if words else "") or text_of(raw, "description")
    return RecordedAnswer(
        index=index, id=name, question=prompt or name, type=type_,
        answer=_in_words(type_, text_of(raw, "learner_response"), words),
        expected=" or ".join(_in_words(type_, one, words) for one in expected if one),
        result=_RESULTS.get(result, result), time=text_of(raw, "timestamp"),
        latency=text_of(raw, "latency"),
        to_mark=unjudged and (words is None or words.kind in ("", "open_answer")),
        out_of=words.points if words and words.points > 0 else OUT_OF,
        model=words.model if words else "",
    )


def _in_words(type_: str, told: str, words: QuestionWords | None) -> str:
    """A response or a pattern of this type without the signs of the standard."""
    answers = words.answers if words else {}
    told = _without_properties(told)
    if type_ == "numeric":
        low, _, high = told.partition("[:]")
        return f"{low} to {high}" if high and high != low else low
    between = ": " if words and words.kind == "rating_scale" else " → "

    def one(text: str) -> str:
        text = _without_properties(text)
        left, pair, right = text.partition("[.]")
        if not pair:
            return answers.get(text, text)
        named = answers.get(left, left) if left else answers.get("-", "")
        # Where on a picture is a place in numbers, which says nobody anything.
        return named if type_ == "performance" and between == " → " else (
            f"{named}{between}{answers.get(right, right)}")

    return ", ".join(one(text) for text in told.split("[,]"))


def _without_properties(text: str) -> str:
    while found := _PROPERTY.match(text):
        text = text[found.end():]
    return text
