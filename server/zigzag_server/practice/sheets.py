"""What learners have done in a package, as a table and as a whole."""

from collections.abc import Sequence
from typing import Any

HEADING = (
    "Learner", "Part", "Attempt", "Status", "Completion", "Success", "Score", "Seconds",
    "Question", "Answer", "Right would be", "Result", "Answered at", "Time taken")


def rows_of(results: Sequence[dict[str, Any]]) -> list[tuple[str, ...]]:
    """Return a row for each answer, under the heading; an attempt without one has a row too.

    `results` are by learner, as the API gives them.
    """
    rows: list[tuple[str, ...]] = [HEADING]
    for result in results:
        name = result["learner"]["name"]
        for attempt in result["attempts"]:
            score = attempt["score"]
            stands = (
                name, str(attempt["sco"]), str(attempt["number"]), attempt["status"],
                attempt["completion"] or "", attempt["success"] or "",
                "" if score is None else f"{score:g}", f"{attempt['milliseconds'] / 1000:g}")
            answers = [(one["question"], one["answer"], one["expected"], one["result"],
                        one["time"], one["latency"]) for one in attempt["interactions"]]
            rows += [(*stands, *answer) for answer in answers or [("",) * 6]]
    return rows
