"""Conditions in plain words, as the lines of forks and findings say them."""


from ..names import Names
from ..text.numbers import in_digits
from .expression import NAMED, Node

_FACTS = {
    "seen": "was seen", "clicked": "was clicked", "shown": "is shown", "open": "is open",
    "all_seen": "was seen in full", "gate": "lets the learner on", "chosen": "has an answer",
    "unjudged": "has an answer that was not judged yet", "locked": "is finished",
    "right": "is answered correctly", "quiz_passed": "is passed", "quiz_finished": "is finished",
    "in_band": "is the band of the result",
}
_VALUES = {
    "watched": "what was played of {}", "dropped": "where {} lies", "seen_of": "the seen of {}",
    "left_of": "what is left of {}", "seconds_on": "the seconds on {}",
    "attempts": "the attempts at {}", "attempts_left": "the attempts left at {}",
    "earned": "the points for {}", "variable": "{}",
    "quiz_points": "the points in {}", "quiz_max_points": "the points possible in {}",
    "quiz_score": "the score in {}, in %,", "quiz_right": "the right answers in {}",
    "quiz_judged": "the questions of {} that can be right",
    "quiz_questions": "the questions of {}", "quiz_answered": "the questions answered in {}",
    "quiz_seconds": "the seconds spent in {}", "quiz_attempt": "the attempt at {}",
    "quiz_attempts_left": "the attempts left at {}", "quiz_best": "the best score in {}, in %,",
    "quiz_pass_mark": "the pass mark of {}", "quiz_result": "the result of {}",
    "quiz_band": "the band of the result in {}",
    "quiz_wait": "the minutes to wait for another attempt at {}",
    "quiz_day": "the day of the result in {}", "set_score": "the score in {}, in %,",
    "set_right": "the right answers in {}",
}
_LIVE = {
    "points": "the sum of points", "max_points": "the sum of points possible",
    "score": "the score in %",
    "slides_seen": "the number of slides seen", "slides": "the number of slides",
    "slide_number": "the slide's number", "slide_title": "the slide's title",
    "minutes": "the time in minutes", "seconds": "the time in seconds",
    "learner_name": "the learner's name", "result": "the result",
    "answered": "the number of questions answered", "questions": "the number of questions",
    "question_number": "the question's number",
    "question_count": "the number of questions of the quiz",
    **{name: words.format("the quiz") for name, words in _VALUES.items()
       if name.startswith("quiz_")},
}
_COMPARED = {
    "=": "is", "!=": "is not", "<": "is less than", "<=": "is at most", ">": "is more than",
    ">=": "is at least",
}
_OPPOSITE = {"=": "!=", "!=": "=", "<": ">=", ">=": "<", ">": "<=", "<=": ">"}
_NEGATED = {"was": "was not", "is": "is not", "has an": "has no", "lets": "does not let"}


def in_words(node: Node, names: Names) -> str:
    """Return a condition as a clause: “Points” is at least 3 and “Card 1” was clicked."""
    if isinstance(node, bool):
        return "always" if node else "never"
    if not isinstance(node, (list, tuple)):
        return _value(node, names)
    operator, rest = node[0], node[1:]
    if operator in ("and", "or"):
        parts = [_clause(part, names) for part in rest]
        return f" {operator} ".join(parts)
    if operator == "not":
        inner = rest[0]
        if isinstance(inner, bool):
            return in_words(not inner, names)
        if isinstance(inner, (list, tuple)) and inner[0] in _OPPOSITE:
            return in_words([_OPPOSITE[inner[0]], *inner[1:]], names)
        if isinstance(inner, (list, tuple)) and inner[0] in _FACTS:
            words = _FACTS[inner[0]]
            start = next(s for s in _NEGATED if words.startswith(s))
            return f"“{names.name(NAMED[inner[0]], inner[1])}” " \
                   f"{words.replace(start, _NEGATED[start], 1)}"
        return f"not: {_clause(inner, names)}"
    if operator in _FACTS:
        return f"“{names.name(NAMED[operator], rest[0])}” {_FACTS[operator]}"
    if operator in _COMPARED:
        return f"{_value(rest[0], names)} {_COMPARED[operator]} {_value(rest[1], names)}"
    return _value(node, names)


def _clause(node: Node, names: Names) -> str:
    words = in_words(node, names)
    nested = isinstance(node, (list, tuple)) and node[0] in ("and", "or") and len(node) > 2
    return f"({words})" if nested else words


def _value(node: Node, names: Names) -> str:
    if isinstance(node, bool):
        return "yes" if node else "no"
    if isinstance(node, (int, float)):
        return in_digits(node)
    if isinstance(node, str):
        return f"“{node}”" if node else "empty"
    operator, rest = node[0], node[1:]
    if operator == "live":
        return _LIVE.get(rest[0], str(rest[0]))
    if operator in _VALUES:
        return _VALUES[operator].format(f"“{names.name(NAMED[operator], rest[0])}”")
    if operator in _FACTS or operator in _COMPARED or operator in ("and", "or", "not"):
        return f"({in_words(node, names)})"
    if operator in ("+", "-", "*", "/", "%") and len(rest) > 1:
        return f" {operator} ".join(_value(part, names) for part in rest)
    return f"{operator} of {', '.join(_value(part, names) for part in rest)}"
