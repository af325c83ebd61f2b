"""Whether what was sent is a statement, and who and what it is about.

Source: ADL, *xAPI 1.0.3*, part 2 (2.2 to 2.5), part 3 (2.1.3).
"""

import json
from collections.abc import Iterator
from typing import Any

from .forms import (
    Check,
    a_duration,
    a_language,
    a_list,
    a_mailbox,
    a_moment,
    a_number,
    a_sha1,
    a_sha2,
    a_text,
    a_truth,
    a_uuid,
    a_whole,
    an_iri,
    an_object,
    extensions,
    fields,
    in_languages,
    one_of,
    one_or_list,
    wrong,
)

VOIDED = "http://adlnet.gov/expapi/verbs/voided"
_INTERACTION_TYPES = (
    "true-false", "choice", "fill-in", "long-fill-in", "matching", "performance", "sequencing",
    "likert", "numeric", "other")
_IDENTIFIERS = ("mbox", "mbox_sha1sum", "openid", "account")


def check_statement(raw: object) -> dict[str, Any]:
    """Return a statement that is in form. Raises `BadStatement` with the path to what is not."""
    found = fields("", raw, _STATEMENT, ("actor", "verb", "object"))
    _check_whole("", found)
    if found["verb"]["id"] == VOIDED and found["object"].get("objectType") != "StatementRef":
        raise wrong("object", "what is voided is to be a StatementRef")
    version = found.get("version", "1.0.0")
    if not version.startswith("1.0"):
        raise wrong("version", "this store takes statements of version 1.0")
    return found


def agents_in(statement: dict[str, Any], related: bool = False) -> Iterator[str]:
    """Yield the keys of whom a statement is about: its actor, and its object where that is one.

    With `related`, all agents in it (part 3, 2.1.3, *related_agents*); members of groups too.
    """
    yield from _keys(statement["actor"])
    yield from _keys(statement["object"])
    if not related:
        return
    context = statement.get("context", {})
    for one in (context.get("instructor"), context.get("team"), statement.get("authority")):
        yield from _keys(one)
    if statement["object"].get("objectType") == "SubStatement":
        yield from agents_in({**statement["object"]}, related=True)


def activities_in(statement: dict[str, Any], related: bool = False) -> Iterator[str]:
    """Yield the ids of the activities that a statement is about; with `related`, of all in it."""
    if statement["object"].get("objectType", "Activity") == "Activity":
        yield statement["object"]["id"]
    if not related:
        return
    for held in statement.get("context", {}).get("contextActivities", {}).values():
        yield from (one["id"] for one in (held if isinstance(held, list) else [held]))
    if statement["object"].get("objectType") == "SubStatement":
        yield from activities_in({**statement["object"]}, related=True)


def agent_key(agent: dict[str, Any]) -> str | None:
    """Return what an agent is known by, in one text; None for a group that has no such thing."""
    for name in _IDENTIFIERS:
        if name in agent:
            held = agent[name]
            if name == "account":
                return json.dumps([name, held["homePage"], held["name"]], ensure_ascii=False)
            return json.dumps([name, held], ensure_ascii=False)
    return None


def same(one: dict[str, Any], other: dict[str, Any]) -> bool:
    """Whether two statements say the same: what a store may add or set itself does not count."""
    return _bare(one) == _bare(other)


def with_lists(statement: dict[str, Any]) -> dict[str, Any]:
    """Return a statement whose activities in contexts stand in lists, as they are given back (part
    2, 2.4.6.2)."""
    found = dict(statement)
    held = found.get("context", {}).get("contextActivities")
    if held:
        found["context"] = {**found["context"], "contextActivities": {
            name: one if isinstance(one, list) else [one] for name, one in held.items()}}
    if found["object"].get("objectType") == "SubStatement":
        found["object"] = with_lists(found["object"])
    return found


def check_agent(at: str, value: object) -> None:
    """An agent, or a group that has an identifier or members (part 2, 2.4.2)."""
    found = fields(at, value, _AGENT)
    known = [name for name in _IDENTIFIERS if name in found]
    group = found.get("objectType") == "Group"
    if len(known) > 1:
        raise wrong(at, "one identifier is enough: the others would contradict it")
    if not known and not (group and found.get("member")):
        raise wrong(at, "somebody is to be named by mbox, mbox_sha1sum, openid or account")
    if "member" in found and not group:
        raise wrong(at, "only a group has members")
    if any(one.get("objectType", "Agent") != "Agent" for one in found.get("member", ())):
        raise wrong(f"{at}.member", "groups stand in no group")


def _check_activity(at: str, value: object) -> None:
    found = fields(at, value, {
        "objectType": one_of("Activity"), "id": an_iri, "definition": _check_definition}, ("id",))
    kind = found.get("definition", {}).get("interactionType")
    parts = ("correctResponsesPattern", "choices", "scale", "source", "target", "steps")
    if kind is None and any(name in found.get("definition", {}) for name in parts):
        raise wrong(f"{at}.definition", "“interactionType” is missing")


def _check_definition(at: str, value: object) -> None:
    fields(at, value, {
        "name": in_languages, "description": in_languages, "type": an_iri, "moreInfo": an_iri,
        "extensions": extensions, "interactionType": one_of(*_INTERACTION_TYPES),
        "correctResponsesPattern": a_list(a_text), "choices": _components, "scale": _components,
        "source": _components, "target": _components, "steps": _components,
    })


def _components(at: str, value: object) -> None:
    a_list(_checked({"id": a_text, "description": in_languages}, "id"))(at, value)
    ids = [one["id"] for one in value] if isinstance(value, list) else []
    if len(set(ids)) < len(ids):
        raise wrong(at, "two parts have one id")


def _check_object(at: str, value: object) -> None:
    kind = an_object(at, value).get("objectType", "Activity")
    match kind:
        case "Activity":
            _check_activity(at, value)
        case "Agent" | "Group":
            check_agent(at, value)
        case "StatementRef":
            fields(at, value, {"objectType": a_text, "id": a_uuid}, ("id",))
        case "SubStatement":
            found = fields(at, value, _SUB_STATEMENT, ("actor", "verb", "object"))
            if found["object"].get("objectType") == "SubStatement":
                raise wrong(f"{at}.object", "a SubStatement holds no further one")
            _check_whole(at, found)
        case _:
            raise wrong(f"{at}.objectType", "there is no such sort of object")


def _check_score(at: str, value: object) -> None:
    found = fields(at, value, dict.fromkeys(("scaled", "raw", "min", "max"), a_number))
    if not -1 <= found.get("scaled", 0) <= 1:
        raise wrong(f"{at}.scaled", "this is to be from -1 to 1")
    low, raw, high = (found.get(name) for name in ("min", "raw", "max"))
    if low is not None and high is not None and low >= high:
        raise wrong(at, "“min” is to be below “max”")
    if raw is not None and ((low is not None and raw < low) or (high is not None and raw > high)):
        raise wrong(f"{at}.raw", "this is to be from “min” to “max”")


def _check_context_activities(at: str, value: object) -> None:
    each = one_or_list(_check_activity)
    fields(at, value, dict.fromkeys(("parent", "grouping", "category", "other"), each))


def _check_verb(at: str, value: object) -> None:
    fields(at, value, {"id": an_iri, "display": in_languages}, ("id",))


def _check_whole(at: str, statement: dict[str, Any]) -> None:
    """What a context may hold only beside an activity (part 2, 2.4.6)."""
    context = statement.get("context", {})
    if statement["object"].get("objectType", "Activity") != "Activity":
        for name in ("revision", "platform"):
            if name in context:
                raise wrong(f"{at}.context" if at else "context", f"“{name}” is for activities")


def _check_attachment(at: str, value: object) -> None:
    fields(at, value, {
        "usageType": an_iri, "display": in_languages, "description": in_languages,
        "contentType": a_text, "length": a_whole, "sha2": a_sha2, "fileUrl": an_iri,
    }, ("usageType", "display", "contentType", "length", "sha2"))


def _checked(known: dict[str, Check], *required: str) -> Check:
    def check(at: str, value: object) -> None:
        fields(at, value, known, required)
    return check


_AGENT: dict[str, Check] = {
    "objectType": one_of("Agent", "Group"), "name": a_text, "mbox": a_mailbox,
    "mbox_sha1sum": a_sha1, "openid": an_iri,
    "account": _checked({"homePage": an_iri, "name": a_text}, "homePage", "name"),
    "member": a_list(check_agent),
}
_RESULT: dict[str, Check] = {
    "score": _check_score, "success": a_truth, "completion": a_truth, "response": a_text,
    "duration": a_duration, "extensions": extensions,
}
_CONTEXT: dict[str, Check] = {
    "registration": a_uuid, "instructor": check_agent, "team": check_agent,
    "contextActivities": _check_context_activities, "revision": a_text, "platform": a_text,
    "language": a_language, "extensions": extensions,
    "statement": _checked({"objectType": one_of("StatementRef"), "id": a_uuid},
                          "objectType", "id"),
}
_SUB_STATEMENT: dict[str, Check] = {
    "objectType": a_text, "actor": check_agent, "verb": _check_verb, "object": _check_object,
    "result": _checked(_RESULT), "context": _checked(_CONTEXT), "timestamp": a_moment,
    "attachments": a_list(_check_attachment),
}
_STATEMENT: dict[str, Check] = {
    **{name: check for name, check in _SUB_STATEMENT.items() if name != "objectType"},
    "id": a_uuid, "stored": a_moment, "authority": check_agent, "version": a_text,
}


def _keys(value: object) -> Iterator[str]:
    if not isinstance(value, dict) or value.get("objectType", "Agent") not in ("Agent", "Group"):
        return
    key = agent_key(value)
    if key:
        yield key
    for member in value.get("member", ()):
        yield from _keys(member)


def _bare(statement: dict[str, Any]) -> str:
    kept = {name: value for name, value in with_lists(statement).items()
            if name not in ("id", "stored", "timestamp", "authority", "version")}
    verb = {"id": kept["verb"]["id"]}
    return json.dumps({**kept, "verb": verb}, sort_keys=True)
