"""Tracking in plain words: what a course will report, and what a call has said."""

import json
import math
import re
from collections.abc import Iterator, Mapping
from types import MappingProxyType

from zigzag_core.course import Course

from .plain_statement import say_statement


def promise(
    course: Course, slides: int, questions: int, shortest: int, dialogues: int = 0
) -> list[str]:
    """Return in sentences what an LMS will be told about `course`.

    It has so many `slides`, `questions` and `dialogues`, and the `shortest` way through it so many
    slides.
    """
    share, rule = course.completion.slides_share, course.completion
    sentences = []
    seen = ""
    if share is not None:
        seen = f"{_seen(course, share, slides, shortest)} were seen"
    mark = f"the score is {course.pass_mark:g} % or more"
    if rule.passing and seen:
        sentences.append(f"The course is passed when {seen} and {mark}.")
    elif rule.passing:
        sentences.append(f"The course is passed when {mark}.")
    else:
        sentences.append(f"The course is completed when {seen}.")
    if slides == 1 and share is not None:
        sentences.append("Its only slide counts as seen when its gate is open.")
    if rule.passing:
        sentences.append("It is failed when no attempt is left that could change the score.")
    if questions:
        count = "The answer to one question is" if questions == 1 else (
            f"The answers to {questions} questions are")
        sentences.append(f"{count} recorded, each attempt with its time and result.")
    sentences.extend(_of_quizzes(course))
    if dialogues:
        which = "The dialogue is" if dialogues == 1 else f"Each of the {dialogues} dialogues is"
        sentences.append(f"{which} an objective of its own, passed once it has ended well; each "
                         "reply is recorded as an answer.")
    if questions:
        sentences.append(_RUNS[rule.counts])
    sentences.append("Place, answers and variables are saved, so that it can be resumed.")
    return sentences


_RUNS = {
    "best": "Of several runs of a learner the best counts: a worse one changes nothing.",
    "first": "Of several runs of a learner the first that came to a result counts.",
    "last": "Of several runs of a learner the last that came to a result counts.",
}


_MADE_OF = {"weights": "the results of the quizzes, by their weights",
            "best": "the best result of its quizzes"}


def _of_quizzes(course: Course) -> Iterator[str]:
    quizzes = [section for section in course.sections if section.quiz]
    if quizzes and course.scoring != "points":
        yield f"The score is {_MADE_OF[course.scoring]}."
    own = [f"“{section.title}” ({section.quiz.pass_mark:g} %)" for section in quizzes
           if section.quiz and section.quiz.pass_mark is not None]
    if own:
        yield f"It is passed only with {' and '.join(own)}."
    if quizzes:
        which = f"The quiz “{quizzes[0].title}” is" if len(quizzes) == 1 else (
            f"Each of the {len(quizzes)} quizzes is")
        yield f"{which} an objective of its own, with its score and whether it is passed."


def _seen(course: Course, share: float, slides: int, shortest: int) -> str:
    """Which slides have to be seen; with forks, how many that comes to on the shortest way."""
    if course.completion.slides_of == "all" or shortest == slides:
        return "all slides" if share >= 1 else f"{share * 100:g} % of the slides"
    least = max(math.ceil(share * shortest - 1e-9), 1)
    part = "all" if share >= 1 else f"{share * 100:g} %"
    return f"{part} of the slides on the learner's way (on the shortest way {least} of {slides})"


_STATUS = {
    "passed": "passed", "completed": "completed", "failed": "failed",
    "incomplete": "not finished yet", "browsed": "looked at", "not attempted": "not started",
    "unknown": "not said",
}
_EXIT = {"suspend": "will come back", "logout": "logs out", "time-out": "ran out of time",
         "normal": "has finished", "": "has finished"}
_LEAVING = {"suspendAll": "may be gone on with", "exitAll": "is over", "continue": "goes on",
            "previous": "goes back", "_none_": "is not left"}
_ELEMENTS = {
    "cmi.core.lesson_status": "status", "cmi.core.lesson_location": "place in the course",
    "cmi.suspend_data": "saved progress", "cmi.core.score.raw": "score",
    "cmi.core.score.min": "lowest possible score", "cmi.core.score.max": "highest possible score",
    "cmi.core.student_id": "learner's id", "cmi.core.student_name": "learner's name",
    "cmi.core.entry": "whether it is the first time", "cmi.core.credit": "whether it counts",
    "cmi.core.lesson_mode": "mode", "cmi.core.total_time": "total time",
    "cmi.core.session_time": "time in this visit", "cmi.core.exit": "way of leaving",
    "cmi.launch_data": "launch data", "cmi.comments": "comments",
    "cmi.student_data.mastery_score": "mark to pass",
    "cmi.interactions._count": "number of answers recorded",
    "cmi.objectives._count": "number of objectives recorded",
    "cmi.completion_status": "completion", "cmi.success_status": "success",
    "cmi.progress_measure": "measure of progress", "cmi.completion_threshold":
    "measure of progress that completes it", "cmi.scaled_passing_score": "share to pass",
    "cmi.score.scaled": "score as a share", "cmi.score.raw": "score",
    "cmi.score.min": "lowest possible score", "cmi.score.max": "highest possible score",
    "cmi.location": "place in the course", "cmi.learner_id": "learner's id",
    "cmi.learner_name": "learner's name", "cmi.entry": "whether it is the first time",
    "cmi.credit": "whether it counts", "cmi.mode": "mode", "cmi.total_time": "total time",
    "cmi.session_time": "time in this visit", "cmi.exit": "way of leaving",
    "adl.nav.request": "way on",
}
_PARTS = {
    "id": "which question", "type": "kind of question", "time": "time of day",
    "timestamp": "moment", "student_response": "answer given", "learner_response": "answer given",
    "result": "result", "weighting": "weight", "latency": "time taken",
    "description": "wording",
}


_OF_OBJECTIVE = {
    "id": "name", "status": "status", "completion_status": "completion",
    "success_status": "success", "description": "wording", "score.raw": "score",
    "score.scaled": "score as a share", "score.min": "lowest possible score",
    "score.max": "highest possible score", "progress_measure": "measure of progress",
}
_STATUSES = re.compile(
    r"cmi\.(?:core\.lesson_status|(?:objectives\.[0-9]+\.)?(?:completion_|success_)?status)")
_PLACES = ("cmi.core.lesson_location", "cmi.location")
_METHODS = {
    "Initialize": "LMSInitialize", "Terminate": "LMSFinish", "GetValue": "LMSGetValue",
    "SetValue": "LMSSetValue", "Commit": "LMSCommit", "GetLastError": "LMSGetLastError",
    "GetErrorString": "LMSGetErrorString", "GetDiagnostic": "LMSGetDiagnostic",
}
"""The names of SCORM 2004, and those of 1.2 for the same."""


def explain(
    method: str, arguments: list[str], result: str, places: Mapping[str, str] = MappingProxyType({})
) -> str:
    """Return one call in plain words: by SCORM, or a statement that was kept.

    `places` are the titles of slides, by id.
    """
    if method == "statement" and arguments:
        return say_statement(json.loads(arguments[0]))
    method = _METHODS.get(method, method)
    if method == "LMSInitialize":
        return "The course says hello." if result == "true" else "The course says hello, in vain."
    if method == "LMSFinish":
        return "The course says goodbye."
    if method == "LMSCommit":
        return "Please keep what was said." + ("" if result == "true" else " It was not kept.")
    if method == "LMSGetValue" and arguments:
        return f"Asks for the {_element(arguments[0])}: {_value(arguments[0], result, places)}."
    if method == "LMSSetValue" and len(arguments) > 1:
        words = f"The {_element(arguments[0])} is {_value(arguments[0], arguments[1], places)}."
        return words if result == "true" else words[:-1] + "; this was refused."
    return {
        "LMSGetLastError": "Asks whether something went wrong.",
        "LMSGetErrorString": "Asks what went wrong.",
        "LMSGetDiagnostic": "Asks what went wrong, in detail.",
    }.get(method, f"{method} was called.")


def _element(name: str) -> str:
    if name in _ELEMENTS:
        return _ELEMENTS[name]
    parts = name.split(".")
    if len(parts) > 3 and parts[1] == "interactions" and parts[2].isdecimal():
        if parts[3] == "objectives":
            return f"objective of answer {int(parts[2]) + 1}"
        what = "right answer" if parts[3] == "correct_responses" else _PARTS.get(parts[3], parts[3])
        return f"{what} of answer {int(parts[2]) + 1}"
    if len(parts) > 3 and parts[1] == "objectives" and parts[2].isdecimal():
        what = _OF_OBJECTIVE.get(".".join(parts[3:]), parts[3])
        return f"{what} of objective {int(parts[2]) + 1}"
    return f"value “{name}”"


def _value(name: str, value: str, places: Mapping[str, str]) -> str:
    if name in _PLACES and value in places:
        return f"“{places[value]}”"
    if _STATUSES.fullmatch(name):
        return _STATUS.get(value, value)
    if name in ("cmi.core.exit", "cmi.exit"):
        return f"“{_EXIT.get(value, value)}”"
    if name == "adl.nav.request":
        return f"“the course {_LEAVING.get(value, value)}”"
    if name in ("cmi.core.entry", "cmi.entry"):
        return {"ab-initio": "it is", "resume": "no, the learner comes back"}.get(value, "not said")
    if name == "cmi.suspend_data":
        return f"{len(value):,} characters" if value else "nothing yet"
    if value == "":
        return "nothing"
    return json.dumps(value, ensure_ascii=False)[1:-1] if len(value) < 80 else value[:77] + "…"
