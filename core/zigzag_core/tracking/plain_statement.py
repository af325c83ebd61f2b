"""A statement in plain words."""

from typing import Any

_SAID = {
    "launched": "The LMS launches the course.", "initialized": "The course says hello.",
    "terminated": "The course says goodbye.", "completed": "The course is completed.",
    "abandoned": "The LMS says that the visit before was broken off.",
    "satisfied": "The LMS takes the course as done.",
}
_JUDGED = {True: "right", False: "not right"}


def say_statement(statement: dict[str, Any]) -> str:
    """Return what a statement says, which is in form (`zigzag_core.records.statement`)."""
    verb = str(statement["verb"]["id"]).rpartition("/")[2]
    result = statement.get("result", {})
    if verb in _SAID:
        return _SAID[verb]
    scaled = result.get("score", {}).get("scaled")
    score = "" if scaled is None else f" with {scaled * 100:g} %"
    if verb in ("passed", "failed"):
        return f"The course is {verb}{score}."
    definition = statement["object"].get("definition", {})
    words = next(iter((definition.get("description") or definition.get("name") or {}).values()), "")
    about = f"“{words}”" if words else str(statement["object"].get("id", "something"))
    if verb == "answered":
        judged = _JUDGED.get(result.get("success"), "")
        return f"The answer to {about} is recorded{': ' + judged if judged else ''}{score}."
    return f"The learner {verb} {about}{score}."


def who_says(statement: dict[str, Any]) -> str:
    """Return who a statement is of, by name or by what else names them."""
    actor = statement["actor"]
    account = actor.get("account", {})
    members = [who_says({"actor": one}) for one in actor.get("member", ())[:3]]
    return str(actor.get("name") or account.get("name") or actor.get("mbox", "").removeprefix(
        "mailto:") or actor.get("openid") or actor.get("mbox_sha1sum") or ", ".join(members)
        or "somebody")
