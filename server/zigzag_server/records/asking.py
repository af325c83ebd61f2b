"""Requests to the record store, in whichever syntax they come, and what answers them.

Source: ADL, *xAPI 1.0.3*, part 3 (1.3 alternate request syntax, 1.6 headers, 3.2 error codes).
"""

import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from urllib.parse import parse_qsl

from django.http import HttpRequest, HttpResponse, QueryDict
from django.utils import timezone
from django.views.decorators.csrf import csrf_exempt
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.errors import BadStatement
from zigzag_core.records.forms import a_moment, a_uuid, an_object, plain_uuid
from zigzag_core.records.statement import agent_key, check_agent

from . import documents, statements
from .keys import key_of
from .models import Key

VERSION = "1.0.3"
LARGEST = 20_000_000
"""So many bytes at most come at once."""
_VERSIONS = re.compile(r"1\.0(\.\d{1,3})?")
_FORM = "application/x-www-form-urlencoded"
_MOST_FIELDS = 60
_HEADERS = ("authorization", "x-experience-api-version", "content-type", "content-length",
            "if-match", "if-none-match", "accept-language")


class Refused(Exception):
    """The request is not in form: why, and the status that says so."""

    def __init__(self, why: str, status: int = 400) -> None:
        super().__init__(why)
        self.status = status


@dataclass(frozen=True)
class Ask:
    """What is asked: the same in both syntaxes. Names of `headers` are in lower case."""

    method: str
    path: str
    given: Mapping[str, str]
    headers: Mapping[str, str]
    body: bytes

    @property
    def type(self) -> str:
        """What the body is, without parameters."""
        return self.headers.get("content-type", "").partition(";")[0].strip().lower()

    def text(self, name: str) -> str:
        """Return a parameter that must be there."""
        found = self.given.get(name)
        if not found:
            raise Refused(f"“{name}” is missing.")
        return found

    def uuid(self, name: str) -> str:
        """Return a parameter that is a UUID, in the form in which ids are compared."""
        text = self.text(name)
        a_uuid(name, text)
        return plain_uuid(text)

    def truth(self, name: str) -> bool:
        """Return a parameter that is true or false; it is false where it is not there."""
        given = self.given.get(name, "false")
        if given not in ("true", "false"):
            raise Refused(f"“{name}” is to be true or false.")
        return given == "true"

    def whole(self, name: str) -> int | None:
        """Return a parameter that is a whole number, if it is there."""
        given = self.given.get(name)
        if given is None:
            return None
        if not given.isdecimal() or len(given) > 12:
            raise Refused(f"“{name}” is to be a whole number.")
        return int(given)

    def moment(self, name: str) -> datetime | None:
        """Return a parameter that is a moment, if it is there."""
        if name not in self.given:
            return None
        # A plus sign that was not encoded came as a space.
        given = self.text(name).replace(" ", "+")
        a_moment(name, given)
        found = datetime.fromisoformat(given)
        return found if found.tzinfo else found.astimezone()

    def agent(self) -> dict[str, Any]:
        """Return the parameter *agent*, which is one."""
        try:
            found = read_json(self.text("agent").encode())
        except NotPlain as error:
            raise Refused(f"“agent” cannot be read: {error}.") from None
        check_agent("agent", found)
        return an_object("agent", found)

    def agent_key(self) -> str:
        """Return what the parameter *agent* is known by."""
        key = agent_key(self.agent())
        if key is None:
            raise Refused("A group without an identifier cannot be asked for.")
        return key

    def json(self) -> object:
        """Return what the body says, which is JSON."""
        return read(self.body)


def read(data: bytes) -> object:
    """Return what JSON says that was sent."""
    try:
        return read_json(data)
    except NotPlain as error:
        raise Refused(f"What was sent cannot be read: {error}.") from None


Answer = Callable[[Ask, Key], HttpResponse]


def resource(**by_method: Answer) -> Callable[[HttpRequest], HttpResponse]:
    """A view that answers by method: with the key that is asked for, and refusals in words."""
    @csrf_exempt
    def view(request: HttpRequest) -> HttpResponse:
        try:
            response = _answered(_ask_of(request), by_method)
        except Refused as refused:
            response = HttpResponse(str(refused), status=refused.status)
        response["X-Experience-API-Version"] = VERSION
        response["X-Experience-API-Consistent-Through"] = timezone.now().isoformat()
        response["Cache-Control"] = "no-store"
        return response
    return view


def _ask_of(request: HttpRequest) -> Ask:
    length = request.headers.get("Content-Length") or "0"
    if not length.isdecimal() or int(length) > LARGEST:
        raise Refused(f"At most {LARGEST // 1_000_000} MB come at once. Nothing was kept.", 413)
    headers = {name.lower(): value for name, value in request.headers.items()}
    method = "GET" if request.method == "HEAD" else request.method or ""
    if method == "POST" and "method" in request.GET:
        return _alternate(request, headers)
    return Ask(method, request.path, _single(request.GET), headers, request.body)


def _single(given: QueryDict) -> dict[str, str]:
    for name, values in given.lists():
        if len(values) > 1:
            raise Refused(f"“{name}” is given more than once.")
    return {name: str(given[name]) for name in given}


def _alternate(request: HttpRequest, headers: dict[str, str]) -> Ask:
    """A request whose method is in its address, and all else in a form."""
    if set(request.GET) != {"method"}:
        raise Refused("Beside “method” nothing stands in the address: all else is in the form.")
    if headers.get("content-type", "").partition(";")[0].strip().lower() != _FORM:
        raise Refused(f"With “method” in the address, the body is to be a form ({_FORM}).")
    try:
        pairs = parse_qsl(request.body.decode(), keep_blank_values=True, strict_parsing=True,
                          max_num_fields=_MOST_FIELDS) if request.body else []
    except ValueError:
        raise Refused("The form cannot be read.") from None
    form = dict(pairs)
    if len(form) < len(pairs):
        raise Refused("A field of the form is given more than once.")
    content = form.pop("content", "")
    inside = {name.lower(): value for name, value in form.items() if name.lower() in _HEADERS}
    given = {name: value for name, value in form.items() if name.lower() not in _HEADERS}
    kept = {name: value for name, value in headers.items() if name != "content-type"}
    standard = {"content-type": documents.JSON} if content else {}
    method = str(request.GET["method"]).upper()
    return Ask(method, request.path, given, {**kept, **standard, **inside}, content.encode())


def _answered(ask: Ask, by_method: Mapping[str, Answer]) -> HttpResponse:
    answer = by_method.get(ask.method.lower())
    if answer is None:
        allow = ", ".join(name.upper() for name in by_method)
        return HttpResponse(status=405, headers={"Allow": allow})
    if not _VERSIONS.fullmatch(ask.headers.get("x-experience-api-version", "")):
        return HttpResponse("The header X-Experience-API-Version is to be 1.0.3.", status=400)
    key = key_of(ask.headers.get("authorization", ""))
    if key is None:
        return HttpResponse("No key to this record store was shown.", status=401,
                            headers={"WWW-Authenticate": 'Basic realm="records"'})
    try:
        return answer(ask, key)
    except BadStatement as bad:
        return HttpResponse(str(bad), status=400)
    except statements.Conflict:
        return HttpResponse("Another statement has this id. Nothing was kept.", status=409)
    except statements.NotAllowed as why:
        return HttpResponse(str(why), status=403)
    except documents.Changed:
        return HttpResponse("The document was changed meanwhile.", status=412)
    except documents.NoPrecondition:
        return HttpResponse("Say by If-Match which document is to be replaced.", status=409)
    except documents.NotMerged:
        return HttpResponse("Only JSON objects can be merged.", status=400)
