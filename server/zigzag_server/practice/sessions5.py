"""The LMS's side of cmi5: launching, the order of statements, and what comes of them.

Source: ADL, *cmi5 Specification Profile for xAPI* (Quartz, 2016), sections 8 to 11.
"""

import json
from collections.abc import Sequence
from typing import Any
from urllib.parse import urlencode

from django.utils import timezone
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.records.statement import agent_key

from zigzag_server.origins import content_url
from zigzag_server.records import documents, statements
from zigzag_server.records.keys import make_key
from zigzag_server.records.models import Key

from . import data2004
from .learners import LEARNERS
from .models import Attempt, Call, Launch, Package

_VERB = "http://adlnet.gov/expapi/verbs/"
_ADL = "https://w3id.org/xapi/adl/verbs/"
_CATEGORY = "https://w3id.org/xapi/cmi5/context/categories/"
_SESSION = "https://w3id.org/xapi/cmi5/context/extensions/sessionid"
_DEFINED = ("initialized", "completed", "passed", "failed", "terminated")
_ONCE = ("completed", "passed")
MODES = {"normal": "Normal", "browse": "Browse", "review": "Review"}


def actor_of(visit: Launch) -> dict[str, Any]:
    """Return who takes the package, as an agent with an account (section 9.2)."""
    learner = LEARNERS[visit.attempt.learner]
    return {"objectType": "Agent", "name": learner.friendly, "account": {
        "homePage": "https://practice.invalid", "name": learner.key}}


def activity_of(visit: Launch) -> str:
    """Return the id under which this LMS knows the assignable unit."""
    sco = visit.attempt.sco
    return f"https://practice.invalid/packages/{sco.package_id}/units/{sco.number}"


def open_session(visit: Launch) -> None:
    """Put down what the package will ask for, and say that it was launched (section 10, 9.3.1).

    A session that was left without *terminated* is abandoned first (9.3.6).
    """
    attempt, sco = visit.attempt, visit.attempt.sco
    for left in attempt.launches.exclude(pk=visit.pk).filter(finished=False):
        _abandon(left)
    data: dict[str, Any] = {
        "contextTemplate": _template(visit), "launchMode": MODES[visit.mode],
        "launchMethod": "AnyWindow", "moveOn": sco.move_on or "NotApplicable",
        "launchParameters": sco.launch_data,
        "returnURL": content_url(f"/launch/{visit.token}/left"),
    }
    if sco.mastery_score is not None:
        data["masteryScore"] = sco.mastery_score / 100
    sent = documents.Sent(json.dumps(data).encode(), documents.JSON)
    documents.write(_lms(visit), _place(visit), "LMS.LaunchData", sent, merge=False, careful=False)
    _say(visit, f"{_VERB}launched", defined=True)


def progress_of(attempt: Attempt) -> str:
    """Return the progress that a unit made here has saved, as `web/player/tracking` writes it."""
    visit = attempt.launches.first()
    if visit is None or attempt.sco.package.standard != "cmi5":
        return ""
    kept = documents.read(_lms(visit), _place(visit), "progress")
    try:
        found = read_json(bytes(kept.content)) if kept else None
    except NotPlain:
        return ""
    text = found.get("progress") if isinstance(found, dict) else None
    return text if isinstance(text, str) else ""


def forget(package: Package) -> None:
    """Delete all that the record store has of a package: it is taken out."""
    for visit in Launch.objects.filter(attempt__sco__package=package).select_related(
            "attempt__sco__package__owner"):
        documents.remove(_lms(visit), _place(visit), "")
    registrations = [str(one) for one in Attempt.objects.filter(
        sco__package=package).values_list("registration", flat=True)]
    statements.forget(package.owner, registrations)


def address(visit: Launch) -> str:
    """Return what stands behind the address of the package (section 8.1)."""
    sco = visit.attempt.sco
    query = urlencode({
        "endpoint": content_url("/xapi/"), "fetch": content_url(f"/launch/{visit.token}/fetch"),
        "actor": json.dumps(actor_of(visit)), "registration": str(visit.attempt.registration),
        "activityId": activity_of(visit)})
    return f"{sco.launch}{sco.parameters}{'&' if sco.parameters else '?'}{query}"


def give_token(visit: Launch) -> dict[str, str]:
    """Return the token that opens the record store, once (section 8.2)."""
    if not Launch.objects.filter(pk=visit.pk, fetched=False).update(fetched=True):
        return {"error-code": "1", "error-text": "The token was given out already."}
    attempt = visit.attempt
    key, credentials = make_key(
        attempt.sco.package.owner, LEARNERS[attempt.learner].friendly, str(attempt.registration))
    Launch.objects.filter(pk=visit.pk).update(key=key)
    return {"auth-token": credentials}


def crash(visit: Launch) -> None:
    """From now on the package reaches nobody."""
    if visit.key:
        visit.key.delete()


def out_of_turn(key: Key, fresh: Sequence[dict[str, Any]]) -> str:
    """Say which rule of cmi5 statements of a session break; nothing where they break none."""
    visit = _visit_of(key)
    if visit is None:
        return ""
    said = _said(visit)
    for one in fresh:
        why = _wrong(visit, said, one)
        if why:
            return why
        said.append(_name(one))
    return ""


def _visit_of(key: Key) -> Launch | None:
    """The visit that a key was made for; keys that open all registrations are of none."""
    if not key.registration:
        return None
    return Launch.objects.filter(key=key).select_related("attempt__sco").first()


def _wrong(visit: Launch, said: list[str], one: dict[str, Any]) -> str:
    """The rule that one statement breaks after those that were `said` in its session."""
    name = _name(one)
    is_defined = name in _DEFINED and f"{_CATEGORY}cmi5" in _categories(one)
    if not said and not (is_defined and name == "initialized"):
        return "The first statement of a session is initialized (9.3.2)."
    if said and name == "initialized" and is_defined:
        return "A session is initialized once (9.3.2)."
    if "terminated" in said:
        return "Nothing follows terminated (9.3.8)."
    if not is_defined:
        return ""
    if one["object"].get("id") != activity_of(visit):
        return "The object of what cmi5 defines is the launched activity (9.4)."
    if name in ("completed", "passed", "failed"):
        if visit.mode != "normal":
            return f"Who browses or reviews is not told {name} (10.2.2)."
        if f"{_CATEGORY}moveon" not in _categories(one):
            return f"{name} has the category moveon (9.6.2.2)."
        before = _said_before(visit) + said
        if name in before and name in _ONCE:
            return f"A registration is told {name} once (9.3)."
        if name == "failed" and "passed" in before:
            return "Nobody fails who has passed (9.3.5)."
    return ""


def receive(key: Key, fresh: Sequence[dict[str, Any]]) -> None:
    """Keep what statements of a session come to: how the attempt stands, its answers, the log."""
    visit = _visit_of(key)
    if visit is None:
        return
    attempt = visit.attempt
    start = visit.calls.count()
    Call.objects.bulk_create(
        Call(launch=visit, index=start + n, at=timezone.now(), method="statement",
             arguments=[json.dumps(one)], result="kept", error="0")
        for n, one in enumerate(fresh))
    for one in fresh:
        _take(visit, attempt, one)
    attempt.status = data2004.in_one(
        attempt.core.get("completion_status", "unknown"),
        attempt.core.get("success_status", "unknown"))
    attempt.save(update_fields=["core", "score", "status", "changed"])
    # Not the key: it may be taken away meanwhile.
    visit.save(update_fields=["finished", "interactions", "milliseconds", "seen"])
    _satisfy(visit, attempt)


def _take(visit: Launch, attempt: Attempt, one: dict[str, Any]) -> None:
    name, result = _name(one), one.get("result", {})
    core = attempt.core = {"completion_status": "incomplete", **attempt.core}
    if name == "answered":
        visit.interactions = [*visit.interactions, _record(one)]
    if name not in _DEFINED or f"{_CATEGORY}cmi5" not in _categories(one):
        return
    if name == "completed":
        core["completion_status"] = "completed"
    elif name in ("passed", "failed"):
        core["success_status"] = name
    elif name == "terminated":
        visit.finished = True
    scaled = result.get("score", {}).get("scaled")
    if scaled is not None:
        attempt.score = round(scaled * 100, 2)
    visit.milliseconds = max(
        visit.milliseconds, data2004.milliseconds(result.get("duration", "")))


def _record(one: dict[str, Any]) -> dict[str, Any]:
    """A statement on an answer, in the fields of a record of SCORM 2004."""
    thing, result = one["object"], one.get("result", {})
    definition = thing.get("definition", {})
    words = definition.get("description") or definition.get("name") or {}
    success = result.get("success")
    judged = {True: "correct", False: "incorrect"}.get(success, "neutral")
    scaled = result.get("score", {}).get("scaled")
    if success is False and scaled:
        judged = f"{scaled:g}"
    return {
        "id": str(thing.get("id", "")).rpartition("/")[2],
        "type": definition.get("interactionType", "other"), "result": judged,
        "learner_response": result.get("response", ""), "latency": result.get("duration", ""),
        "timestamp": one.get("timestamp", ""), "description": next(iter(words.values()), ""),
        "correct_responses": [
            {"pattern": one} for one in definition.get("correctResponsesPattern", ())],
    }


def _satisfy(visit: Launch, attempt: Attempt) -> None:
    """Say *satisfied* once its rule to move on holds (9.3.9)."""
    done = {attempt.core.get("completion_status"), attempt.core.get("success_status")}
    holds = {
        "NotApplicable": True, "Passed": "passed" in done, "Completed": "completed" in done,
        "CompletedAndPassed": {"completed", "passed"} <= done,
        "CompletedOrPassed": bool({"completed", "passed"} & done),
    }[attempt.sco.move_on or "NotApplicable"]
    if holds and not attempt.core.get("satisfied"):
        attempt.core["satisfied"] = True
        attempt.save(update_fields=["core"])
        _say(visit, f"{_ADL}satisfied", defined=True)


def _abandon(visit: Launch) -> None:
    seconds = (visit.seen - visit.started).total_seconds()
    _say(visit, f"{_ADL}abandoned", defined=True, result={"duration": f"PT{seconds:.2f}S"})
    if visit.key:
        visit.key.delete()
    Launch.objects.filter(pk=visit.pk).update(finished=True)


def _say(
    visit: Launch, verb: str, defined: bool, result: dict[str, Any] | None = None
) -> None:
    """Say something as the LMS, with a key that no package has."""
    template = _template(visit)
    template["registration"] = str(visit.attempt.registration)
    if defined:
        template["contextActivities"]["category"] = [{"id": f"{_CATEGORY}cmi5"}]
    statements.append(_lms(visit), {
        "actor": actor_of(visit), "object": {"objectType": "Activity", "id": activity_of(visit)},
        "verb": {"id": verb, "display": {"en": verb.rpartition("/")[2]}}, "context": template,
        **({"result": result} if result else {})})


def _place(visit: Launch) -> documents.Place:
    """Where the documents of a registration are."""
    actor = agent_key(actor_of(visit)) or ""
    return documents.Place("state", activity_of(visit), actor, str(visit.attempt.registration))


def _lms(visit: Launch) -> Key:
    return Key(owner=visit.attempt.sco.package.owner, name="Practice LMS", pk=0)


def _template(visit: Launch) -> dict[str, Any]:
    """What stands in the context of each statement of a session (10.2.1)."""
    return {
        "contextActivities": {
            "grouping": [{"id": visit.attempt.sco.activity or activity_of(visit)}]},
        "extensions": {_SESSION: visit.token[:12]},
    }


def _name(one: dict[str, Any]) -> str:
    verb: str = one["verb"]["id"]
    return verb.removeprefix(_VERB) if verb.startswith(_VERB) else verb


def _categories(one: dict[str, Any]) -> set[str]:
    held = one.get("context", {}).get("contextActivities", {}).get("category", [])
    return {each["id"] for each in (held if isinstance(held, list) else [held])}


def _said(visit: Launch) -> list[str]:
    """The verbs of the statements of a session so far."""
    return [_name(json.loads(arguments[0])) for arguments in visit.calls.filter(
        method="statement").order_by("index").values_list("arguments", flat=True)]


def _said_before(visit: Launch) -> list[str]:
    others = visit.attempt.launches.exclude(pk=visit.pk)
    return [name for other in others for name in _said(other)]

