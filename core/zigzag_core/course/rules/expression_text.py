"""Expressions as they are typed: from the tree to a line of text, and back.

Variables stand by their names, what the course keeps as ``course.points``, all else in calls
with quoted names: ``Score >= 3 and clicked("Card 1")``. A name that no or several things have is
written by its id, ``clicked(#a1b2c3)``. What is written reads back as the same tree.
"""

import math
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from zigzag_core.errors import NotReadable

from ..names import Names
from .expression import ARITY, DEPTH, NAMED, Node, check_expression

_LEVELS: tuple[tuple[str, ...], ...] = (
    ("or",), ("and",), ("=", "!=", "<", "<=", ">", ">="), ("+", "-"), ("*", "/", "%"),
)
"""Operators between two values, the loosest first."""
_JOINING = frozenset({"or", "and", "+", "*"})
_CALLS = {"all": "and", "any": "or"}
_SPECIAL = {"yes": True, "no": False}
_WORD = re.compile(r"[^\W\d]\w*")
_TOKEN = re.compile(r"""
    (?P<number>\d+(?:\.\d+)?(?:[eE][+-]?\d+)?) | (?P<text>"(?:[^"\\]|\\.)*")
  | (?P<id>\#[a-z0-9]+) | (?P<word>[^\W\d]\w*(?:\.[^\W\d]\w*)?)
  | (?P<sign><=|>=|!=|[-+*/%=<>(),≤≥≠×·÷−])
""", re.VERBOSE)
_OTHER_SIGNS = {"≤": "<=", "≥": ">=", "≠": "!=", "×": "*", "·": "*", "÷": "/", "−": "-"}


def write(node: Node, names: Names) -> str:
    """Return expression `node` as a line of text."""
    return _write(node, names, 0)


def _write(node: Node, names: Names, level: int) -> str:
    """Write a node that stands among operators of `level`; a looser one gets parentheses."""
    if isinstance(node, bool):
        return "yes" if node else "no"
    if isinstance(node, (int, float)):
        return f"{node:.0f}" if node == int(node) and abs(node) < 1e15 else repr(node)
    if isinstance(node, str):
        return _quoted(node)
    operator, arguments = node[0], node[1:]
    if operator in NAMED:
        return _named(operator, arguments[0], names)
    own = next((n for n, level in enumerate(_LEVELS) if operator in level), None)
    if own is not None and len(arguments) > 1:
        parts = [_write(part, names, own + 1) for part in arguments]
        # A comparison is no part of another: a = (b = c).
        words = f" {operator} ".join(parts)
        return f"({words})" if own < level else words
    if operator == "not":
        words = f"not {_write(arguments[0], names, 2)}"
        return f"({words})" if level > 2 else words
    if operator == "-":
        return f"-({_write(arguments[0], names, 0)})"
    call = {"and": "all", "or": "any"}.get(operator, operator)
    return f"{call}({', '.join(_write(part, names, 0) for part in arguments)})"


def _named(operator: str, thing: str, names: Names) -> str:
    kind = NAMED[operator]
    name = names.of.get(kind, {}).get(thing, "")
    if operator == "live":
        return f"course.{thing}"
    unique = names.only(kind, name) == thing
    if operator == "variable" and unique and _WORD.fullmatch(name) and not _taken(name):
        return name
    return f"{operator}({_quoted(name) if unique and name else f'#{thing}'})"


def _taken(word: str) -> bool:
    return word in _SPECIAL or word in {"and", "or", "not"}


def _quoted(text: str) -> str:
    return '"' + text.replace("\\", "\\\\").replace('"', '\\"') + '"'


def read(text: str, names: Names) -> Node:
    """Return the tree of a typed expression; raise `NotReadable` where it is none."""
    reader = _Reader(list(_tokens(text)), names, len(text))
    node = reader.level(0)
    if reader.token.kind != "end":
        raise NotReadable(f"“{reader.token.text}” was not expected here", reader.token.at)
    try:
        return check_expression(node)
    except ValueError as error:
        raise NotReadable(str(error), 0) from None


@dataclass(frozen=True)
class _Token:
    kind: str
    text: str
    at: int


def _tokens(text: str) -> Iterator[_Token]:
    at = 0
    while at < len(text):
        if text[at].isspace():
            at += 1
            continue
        found = _TOKEN.match(text, at)
        if not found:
            words = "the text has no closing quote" if text[at] == '"' else \
                f"“{text[at]}” means nothing here"
            raise NotReadable(words, at)
        kind = found.lastgroup or ""
        yield _Token(kind, _OTHER_SIGNS.get(found[0], found[0]), at)
        at = found.end()


class _Reader:
    """Reads tokens from left to right, a method for each level of the grammar."""

    def __init__(self, tokens: list[_Token], names: Names, end: int) -> None:
        self.tokens = [*tokens, _Token("end", "the end", end)]
        self.position = 0
        self.depth = 0
        self.names = names

    @property
    def token(self) -> _Token:
        return self.tokens[self.position]

    def take(self) -> _Token:
        token = self.token
        self.position += 1
        return token

    def wants(self, sign: str) -> None:
        if self.token.text != sign or self.token.kind not in ("sign", "word"):
            raise NotReadable(f"“{sign}” is missing before {_described(self.token)}", self.token.at)
        self.take()

    def level(self, level: int) -> Node:
        if level == 2 and self.token == _Token("word", "not", self.token.at):
            self.take()
            return ["not", self._deeper(lambda: self.level(2))]
        if level == len(_LEVELS):
            return self.value()
        node = self.level(level + 1)
        last = None
        while self.token.kind in ("sign", "word") and self.token.text in _LEVELS[level]:
            sign = self.take()
            if level == 2 and last:
                raise NotReadable("compare two values at a time, with “and” between", sign.at)
            right = self.level(level + 1)
            if isinstance(node, list) and sign.text == last and last in _JOINING:
                node.append(right)
            else:
                node = [sign.text, node, right]
            last = sign.text
        return node

    def value(self) -> Node:
        token = self.take()
        if token.kind == "number":
            return _number(token.text)
        if token.kind == "text":
            return _unquoted(token.text)
        if token.text == "(":
            node = self._deeper(lambda: self.level(0))
            self.wants(")")
            return node
        if token.text == "-":
            if self.token.kind == "number":
                return -_number(self.take().text)
            return ["-", self._deeper(self.value)]
        if token.kind == "word" and token.text not in ("and", "or", "not"):
            return self._word(token)
        raise NotReadable(f"a value is missing before {_described(token)}", token.at)

    def _word(self, token: _Token) -> Node:
        if self.token.text == "(" and self.token.kind == "sign":
            return self._call(token)
        if token.text in _SPECIAL:
            return _SPECIAL[token.text]
        if token.text.startswith("course."):
            live = token.text.removeprefix("course.")
            if not self.names.ids("live", live):
                raise NotReadable(f"the course keeps no “{live}”", token.at)
            return ["live", live]
        return ["variable", self._thing("variable", token.text, token.at)]

    def _call(self, token: _Token) -> Node:
        operator = _CALLS.get(token.text, token.text)
        self.wants("(")
        if operator in NAMED:
            name = self.take()
            if name.kind == "id":
                thing = name.text[1:]
            elif name.kind == "text":
                thing = self._thing(operator, _unquoted(name.text), name.at)
            else:
                raise NotReadable(f"“{operator}” takes a name in quotes", name.at)
            self.wants(")")
            return [operator, thing]
        if operator not in ARITY:
            raise NotReadable(f"there is no “{token.text}(…)”", token.at)
        arguments = [self._deeper(lambda: self.level(0))]
        while self.token.text == ",":
            self.take()
            arguments.append(self._deeper(lambda: self.level(0)))
        self.wants(")")
        least, most = ARITY[operator]
        if not least <= len(arguments) <= most:
            raise NotReadable(f"“{token.text}” takes {least} to {most} values", token.at)
        return [operator, *arguments]

    def _thing(self, operator: str, name: str, at: int) -> str:
        kind = NAMED[operator]
        found = self.names.ids(kind, name)
        if len(found) > 1:
            raise NotReadable(f"{len(found)} of the {kind} are called “{name}”: rename one", at)
        if not found:
            raise NotReadable(f"none of the {kind} is called “{name}”", at)
        return found[0]

    def _deeper(self, read: Callable[[], Node]) -> Node:
        self.depth += 1
        if self.depth > DEPTH:
            raise NotReadable("this is nested too deeply", self.token.at)
        node = read()
        self.depth -= 1
        return node


def _described(token: _Token) -> str:
    return token.text if token.kind == "end" else f"“{token.text}”"


def _number(text: str) -> float | int:
    value = float(text)
    if math.isinf(value):
        raise NotReadable("a number is too large", 0)
    return int(value) if value == int(value) and "." not in text else value


def _unquoted(text: str) -> str:
    return re.sub(r"\\(.)", r"\1", text[1:-1], flags=re.DOTALL)
