"""Statements as they are asked for: exact, in one language, or with names only.

Source: ADL, *xAPI 1.0.3*, part 3, 2.1.3 (*format*, language filtering).
"""

import re
from collections.abc import Mapping, Sequence
from typing import Any

_IDENTIFIERS = ("objectType", "mbox", "mbox_sha1sum", "openid", "account")
_MAPS = ("display", "name", "description")
_WISH = re.compile(r"^([A-Za-z0-9*-]{1,40})(?:\s*;\s*q=([01](?:\.\d{0,3})?))?$")


def languages(header: str) -> list[str]:
    """Return the languages of an *Accept-Language* header (RFC 7231, 5.3.5), the first wish first.
    """
    wishes: list[tuple[float, int, str]] = []
    for one in header.split(",")[:30]:
        found = _WISH.match(one.strip())
        if found and float(found[2] or 1) > 0:
            wishes.append((-float(found[2] or 1), len(wishes), found[1].lower()))
    return [tag for _, _, tag in sorted(wishes)]


def in_form(statement: Mapping[str, Any], form: str, wanted: Sequence[str] = ()) -> dict[str, Any]:
    """Return a statement as it is (*exact*), in the language that is most `wanted` (*canonical*),
    or with what names its agents, verbs and activities only (*ids*)."""
    if form == "exact":
        return dict(statement)
    if form == "ids":
        return {name: _ids(name, value) for name, value in statement.items()}
    return {name: _canonical(name, value, wanted) for name, value in statement.items()}


def _canonical(name: str, value: object, wanted: Sequence[str]) -> object:
    if name == "extensions":
        return value
    if isinstance(value, list):
        return [_canonical("", one, wanted) for one in value]
    if not isinstance(value, dict):
        return value
    if name in _MAPS and value:
        tag = _best(list(value), wanted)
        return {tag: value[tag]}
    return {part: _canonical(part, held, wanted) for part, held in value.items()}


def _best(tags: list[str], wanted: Sequence[str]) -> str:
    """The tag that is wanted most: as it is, or as a language in general."""
    for wish in wanted:
        for tag in tags:
            if tag.lower() == wish or tag.lower().startswith(f"{wish}-"):
                return tag
        for tag in tags:
            if wish.startswith(f"{tag.lower()}-"):
                return tag
    return tags[0]


def _ids(name: str, value: object) -> object:
    if not isinstance(value, dict):
        return value
    if name == "verb":
        return {"id": value["id"]}
    if name in ("actor", "object", "instructor", "team", "authority"):
        return _named(value)
    if name == "context":
        return {part: _ids(part, held) for part, held in value.items()}
    if name == "contextActivities":
        return {part: [_named(one) for one in held] for part, held in value.items()}
    return value


def _named(thing: Mapping[str, Any]) -> dict[str, Any]:
    """What names an agent, a group, an activity or a statement."""
    kind = thing.get("objectType")
    if kind == "SubStatement":
        return {name: _ids(name, held) for name, held in thing.items()}
    if kind == "StatementRef" or "id" in thing:
        return {name: held for name, held in thing.items() if name in ("objectType", "id")}
    known = {name: held for name, held in thing.items() if name in _IDENTIFIERS}
    if len(known) > ("objectType" in known):
        return known
    # A group that nothing else names is its members.
    return {**known, "member": [_named(one) for one in thing.get("member", ())]}
