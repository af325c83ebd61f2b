"""Attachments of statements, and signatures among them.

Source: ADL, *xAPI 1.0.3*, part 2 (2.4.11 attachments, 2.6 signed statements), part 3 (1.5.2);
signatures are JSON Web Signatures (RFC 7515) in their compact form.
"""

import base64
import binascii
import hashlib
from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.errors import BadStatement

from .mixed import Part
from .statement import same

SIGNATURE = "http://adlnet.gov/expapi/attachments/signature"
HASH = "x-experience-api-hash"
_SUMS = {56: hashlib.sha224, 64: hashlib.sha256, 96: hashlib.sha384, 128: hashlib.sha512}
"""The SHA-2 functions, by the length of their sums in hexadecimal."""
_ALGORITHMS = ("RS256", "RS384", "RS512")

Attachments = dict[str, Part]
"""What came with statements, by its SHA-2 sum in hexadecimal."""


def attached(statements: Sequence[Mapping[str, Any]], parts: Sequence[Part]) -> Attachments:
    """Return what came with statements, which are in form.

    Raises `BadStatement` where a part is not what it says it is, belongs to no statement, or is
    missing; and where a signature signs something else.
    """
    found = {}
    for number, part in enumerate(parts, 2):
        found[_sum_of(number, part)] = part
    wanted: set[str] = set()
    for statement in statements:
        for at, one in attachments_in(statement):
            name = str(one["sha2"]).lower()
            wanted.add(name)
            if name in found:
                _check_part(at, one, found[name])
            elif "fileUrl" not in one:
                raise BadStatement(at, "neither its content nor its “fileUrl” was sent")
        _check_signatures(statement, found)
    if found.keys() - wanted:
        raise BadStatement("The body", "a part of it belongs to no statement")
    return found


def attachments_in(statement: Mapping[str, Any]) -> Iterator[tuple[str, Mapping[str, Any]]]:
    """Yield the attachments of a statement, and of one within it, with their places."""
    for number, one in enumerate(statement.get("attachments", ())):
        yield f"attachments[{number}]", one
    if statement["object"].get("objectType") == "SubStatement":
        for at, one in attachments_in(statement["object"]):
            yield f"object.{at}", one


def _sum_of(number: int, part: Part) -> str:
    at = f"Part {number}"
    name = part.headers.get(HASH, "").lower()
    sum_ = _SUMS.get(len(name))
    if sum_ is None:
        raise BadStatement(at, "“X-Experience-API-Hash” is to be a SHA-2 sum in hexadecimal")
    if part.headers.get("content-transfer-encoding", "").lower() != "binary":
        raise BadStatement(at, "“Content-Transfer-Encoding” is to be binary")
    if sum_(part.content).hexdigest() != name:
        raise BadStatement(at, "its content has another sum than it says")
    return name


def _check_part(at: str, one: Mapping[str, Any], part: Part) -> None:
    if one["length"] != len(part.content):
        raise BadStatement(f"{at}.length", f"its content has {len(part.content)} bytes")


def _check_signatures(statement: Mapping[str, Any], found: Attachments) -> None:
    for at, one in attachments_in(statement):
        if one["usageType"] != SIGNATURE:
            continue
        part = found.get(str(one["sha2"]).lower())
        if one["contentType"] != "application/octet-stream" or part is None:
            raise BadStatement(at, "a signature comes with the statement, as "
                                   "application/octet-stream")
        _check_signature(at, dict(statement), part.content)


def _check_signature(at: str, statement: dict[str, Any], signature: bytes) -> None:
    try:
        head, payload, _ = (_decoded(one) for one in signature.split(b"."))
        algorithm = read_json(head)
        signed = read_json(payload)
    except (binascii.Error, NotPlain, ValueError):
        raise BadStatement(at, "this is no JSON Web Signature in its compact form") from None
    if not isinstance(algorithm, dict) or algorithm.get("alg") not in _ALGORITHMS:
        raise BadStatement(at, "a signature is made by RS256, RS384 or RS512")
    plain = {name: value for name, value in statement.items() if name != "attachments"}
    others = [one for one in statement["attachments"] if one["usageType"] != SIGNATURE]
    if others:
        plain["attachments"] = others
    if not isinstance(signed, dict) or not _says(signed, plain):
        raise BadStatement(at, "the signature signs another statement")


def _says(signed: dict[str, Any], plain: dict[str, Any]) -> bool:
    signed = {name: value for name, value in signed.items() if name != "attachments" or value}
    try:
        return same(signed, plain)
    except (KeyError, TypeError):
        return False


def _decoded(text: bytes) -> bytes:
    return base64.b64decode(text + b"=" * (-len(text) % 4), altchars=b"-_", validate=True)


