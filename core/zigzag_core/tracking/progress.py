"""Saved progress: the state of a run in as few characters as can be.

Form: one character for the version, then base64url of the coded state and its CRC-32.
Things are written by their number (`remembered`), everything by an adaptive coder (`coder`).
`docs/progress.md` has the layout; the twin is `web/player/tracking/progress.ts`.
"""

import base64
import binascii
import math
import zlib
from collections.abc import Mapping
from dataclasses import replace
from typing import Any, Literal, TypeVar, get_args

from zigzag_core.course import Look
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.quizzes import draws_to_resume
from zigzag_core.engine.state import Answer, Result, State, Time, Waiting
from zigzag_core.engine.values import Value, fitted, number
from zigzag_core.errors import Damaged
from zigzag_core.program.limits import LIMITS

from . import older_progress
from .coder import Reader, Writer
from .draws import SavedQuizzes, read_draws, write_draws
from .remembered import Names, Remembered, restored_answer, slide_to_resume

T = TypeVar("T")

VERSION = "5"

SCORM12_LIMIT = 4_096
PROGRESS_ROOM: Mapping[str, int] = {
    "scorm12": SCORM12_LIMIT, "scorm2004": 64_000, "scorm2004_3": 4_000}
"""So many characters of progress each standard asks an LMS to keep, by the kind of package."""

RESULTS: tuple[Result | None, ...] = (None, "right", "wrong", "neutral", "partly")
SUCCESS: tuple[Literal["unknown", "passed", "failed"], ...] = ("unknown", "passed", "failed")
MARKED: tuple[Literal["", "passed", "failed"], ...] = ("", "passed", "failed")
BRANCHES: tuple[Literal["timer", "then", "otherwise"], ...] = ("timer", "then", "otherwise")
LOOKS: tuple[str, ...] = get_args(Look)[:7]
"""The looks that have a number; others are written out."""
_DRAWN, _TAKING, _TIMES = 1 << 7, 1 << 8, 1 << 9
"""Quizzes are drawn; it is written how far their attempts are; and when they were over, with flags.
"""


def pack(index: Index, state: State) -> str:
    """Return `state` as text in ``[A-Za-z0-9_-]``.

    Left out is the order in which slides were first visited, moves that are under way (they end
    where they lead), and whether timing was paused.
    """
    names, out = Remembered(index.program), Writer()
    for length in names.lengths:
        out.number(length, "lengths")
    out.plain(names.fingerprint(names.lengths), 32)
    out.plain(state.seed, 32)
    out.plain(state.rng, 32)
    _write_way(out, state, names)
    _write_elements(out, state, names.elements)
    _write_variables(out, index, state, names.variables)
    _write_answers(out, state, names)
    _write_timing(out, state)
    raw = out.done()
    packed = raw + zlib.crc32(raw).to_bytes(4, "little")
    return VERSION + base64.urlsafe_b64encode(packed).decode().rstrip("=")


def unpack(index: Index, text: str) -> State:
    """Return the state that `text` holds, as far as the course still has what it names.

    Slides, questions, choices, variables and elements that are gone are left out; a slide to
    resume at that is gone is replaced by the last one that was seen, and its timing begins again.
    Raises `Damaged` where the text is not what was written, `OtherCourse` where it belongs to
    another course.
    """
    if not text.startswith((VERSION, *older_progress.VERSIONS)):
        raise Damaged("the saved progress has an unknown version")
    data = _checked(text[1:])
    if text[0] != VERSION:
        return older_progress.unpack(index, text[0], data)
    source, names = Reader(data), Remembered(index.program)
    lengths = [source.number("lengths") for _ in names.lengths]
    names.check(lengths, source.plain(32))
    state = engine.start(index, source.plain(32))
    state = replace(state, rng=source.plain(32))
    state, shown, disables = _read_way(source, index, state, names, lengths[0])
    state = replace(state, **_read_elements(source, index, names.elements, disables))
    values = _read_variables(source, index, names.variables)
    state = replace(
        state, variables={**state.variables, **values},
        answers=_read_answers(source, index, names),
    )
    timing = _read_timing(source, index, state)
    if state.slide != shown:
        return replace(state, entered=state.time)
    return replace(state, **timing)


def _checked(body: str) -> bytes:
    """The bytes that a text holds before their checksum."""
    try:
        packed = base64.b64decode(body + "=" * (-len(body) % 4), altchars=b"-_", validate=True)
    except (binascii.Error, ValueError):
        raise Damaged("the saved progress is not the text that was saved") from None
    raw, checksum = packed[:-4], packed[-4:]
    if len(packed) < 5 or zlib.crc32(raw).to_bytes(4, "little") != checksum:
        raise Damaged("the checksum of the saved progress does not match")
    return raw


def _write_way(out: Writer, state: State, names: Remembered) -> None:
    """The time, the results, and where the learner is and has been."""
    out.number(state.time, "time")
    out.number(state.time - state.entered, "time")
    quizzes = _DRAWN | _TAKING | _TIMES if state.draws else 0
    out.number(
        int(state.completed) | SUCCESS.index(state.success) << 1
        | MARKED.index(state.marked) << 3 | int(state.retake) << 5
        | int(bool(state.disabled)) << 6 | quizzes, "flags")
    if state.draws:
        write_draws(out, state, names.slides)
    numbers = names.slides.numbers
    out.number(numbers.get(state.slide or "", -1) + 1, "slide")
    out.number(numbers.get(state.back or "", -1) + 1, "slide")
    out.members(names.slides.known(state.visited), "visited")
    out.members(names.slides.known(state.opened), "opened")
    path = [numbers[slide] for slide in state.path if slide in numbers]
    out.number(len(path), "path")
    _write_near(out, path, "path step")
    out.number(math.floor(state.more_time * 10 + 0.5), "more time")


def _read_way(
    source: Reader, index: Index, state: State, names: Remembered, known: int
) -> tuple[State, str | None, bool]:
    """Return the state with its way, the slide that was shown, and whether things are disabled.

    So many slides were `known` when it was written.
    """
    time = source.number("time")
    entered = time - source.number("time")
    flags = source.number("flags")
    success, marked = flags >> 1 & 3, flags >> 3 & 3
    if flags >= _TIMES << 1 or success >= len(SUCCESS) or marked >= len(MARKED):
        raise Damaged("the saved progress names a result that does not exist")

    quizzes = read_draws(
        source, index, names.slides, known, bool(flags & _TAKING), bool(flags & _TIMES)
    ) if flags & _DRAWN else SavedQuizzes()

    def slide() -> str | None:
        given = source.number("slide")
        return names.slides.name(given - 1) if given else None

    shown, back = slide(), slide()
    seen = set(names.slides.named(source.members("visited")))
    visited = tuple(slide for slide in index.order if slide in seen)
    opened = names.slides.named(source.members("opened"))
    path = names.slides.named(_read_near(source, source.count("path"), "path step"))
    more_time = min(number(source.number("more time") / 10), LIMITS.most_time)
    return replace(
        state, draws=draws_to_resume(index, state.draws, quizzes.draws, visited),
        taking=quizzes.taking, flagged=quizzes.flagged, saved=quizzes.saved, time=time,
        entered=entered, completed=bool(flags & 1), success=SUCCESS[success],
        marked=MARKED[marked], retake=bool(flags & 32),
        slide=slide_to_resume(index, shown, visited), visited=visited,
        back=back if back in index.position else None,
        opened=frozenset(slide for slide in opened if slide in index.position),
        path=tuple(slide for slide in path if slide in index.position), more_time=more_time,
    ), shown, bool(flags & 64)


def _write_elements(out: Writer, state: State, elements: Names) -> None:
    """What was clicked, shown, hidden, disabled, given a look, moved and played."""
    out.members(elements.known(state.clicked), "clicked")
    out.members(elements.known(e for e, hidden in state.hidden.items() if hidden), "hidden")
    out.members(elements.known(e for e, hidden in state.hidden.items() if not hidden), "shown")
    if state.disabled:
        out.members(elements.known(state.disabled), "disabled")
    looks = _numbered(out, elements, state.looks, "looks")
    for look in looks:
        out.number(LOOKS.index(look) if look in LOOKS else len(LOOKS), "look")
        if look not in LOOKS:
            out.text(look, "own look")
    dropped = {e: elements.numbers[on] for e, on in state.dropped.items() if on in elements.numbers}
    _write_near(out, _numbered(out, elements, dropped, "dropped"), "target")
    for offset in _numbered(out, elements, state.offsets, "offsets"):
        for part in offset:
            out.signed(math.floor(part * 100 + 0.5), "offset")
    for stretches in _numbered(out, elements, state.watched, "watched"):
        out.number(len(stretches), "stretches")
        end = 0
        for since, until in stretches:
            out.number(since - end, "gap")
            out.number(until - since, "stretch")
            end = until
    for at in _numbered(out, elements, state.positions, "positions"):
        out.number(at, "position")


def _read_elements(
    source: Reader, index: Index, elements: Names, disables: bool
) -> dict[str, Any]:
    """Return the fields of the state for elements that still exist."""
    there = index.elements

    def named(values: list[int]) -> list[str]:
        return [name for name in elements.named(values) if name in there]

    clicked = frozenset(named(source.members("clicked")))
    hidden = dict.fromkeys(named(source.members("hidden")), True)
    hidden |= dict.fromkeys(named(source.members("shown")), False)
    disabled = dict.fromkeys(named(source.members("disabled")) if disables else (), True)
    looks = {}
    for name in elements.named(source.members("looks")):
        look = source.number("look")
        if look > len(LOOKS):
            raise Damaged("the saved progress names a look that does not exist")
        looks[name] = LOOKS[look] if look < len(LOOKS) else source.text("own look")
    lying = elements.named(source.members("dropped"))
    targets = elements.named(_read_near(source, len(lying), "target"))
    offsets = {}
    for name in elements.named(source.members("offsets")):
        x, y = source.signed("offset"), source.signed("offset")
        offsets[name] = (number(x / 100), number(y / 100))
    watched = {}
    for name in elements.named(source.members("watched")):
        stretches, end = [], 0
        for _ in range(source.count("stretches")):
            since = end + source.number("gap")
            end = since + source.number("stretch")
            stretches.append((since, end))
        watched[name] = tuple(stretches)
    positions = {
        name: source.number("position") for name in elements.named(source.members("positions"))
    }
    return {
        "clicked": clicked, "hidden": hidden, "disabled": disabled,
        "looks": _of(looks, there),
        "dropped": {
            name: on for name, on in zip(lying, targets, strict=True)
            if name in there and on in there
        },
        "offsets": _of(offsets, there), "watched": _of(watched, there),
        "positions": _of(positions, there),
    }


_NO, _YES, _NUMBER, _TEXT = range(4)


def _write_variables(out: Writer, index: Index, state: State, variables: Names) -> None:
    """The variables that differ from their defaults."""
    changed = {
        name: value for name, value in state.variables.items()
        if name in index.variables
        and value != fitted(index.variables[name], index.variables[name].default)
    }
    for value in _numbered(out, variables, changed, "variables"):
        if isinstance(value, bool):
            out.number(_YES if value else _NO, "type")
        elif isinstance(value, str):
            out.number(_TEXT, "type")
            out.text(value, "text")
        else:
            out.number(_NUMBER, "type")
            _write_decimal(out, value, "number")


def _read_variables(source: Reader, index: Index, variables: Names) -> dict[str, Value]:
    values: dict[str, Value] = {}
    for name in variables.named(source.members("variables")):
        type_ = source.number("type")
        value: Value
        if type_ == _TEXT:
            value = source.text("text")
        elif type_ == _NUMBER:
            value = _read_decimal(source, "number")
        elif type_ in (_NO, _YES):
            value = type_ == _YES
        else:
            raise Damaged("the saved progress holds a value of an unknown type")
        if name in index.variables:
            values[name] = fitted(index.variables[name], value)
    return values


def _write_answers(out: Writer, state: State, names: Remembered) -> None:
    parts, before = names.parts.numbers, -1
    for answer in _numbered(out, names.questions, state.answers, "answers"):
        result = RESULTS.index(answer.result)
        out.number(result, "result")
        again = answer.judged is not None and answer.given != answer.judged
        out.number(
            int(answer.locked) | int(again) << 1 | answer.slips << 2, f"locked {result}")
        out.number(answer.attempts, f"attempts {result}")
        _write_decimal(out, answer.points, f"points {result}")
        out.number(answer.row, "row")
        out.number(answer.used, "used")
        given = [(parts[part], value) for part, value in answer.given if part in parts]
        out.number(len(given), "given")
        for part, value in given:
            out.signed(part - before - 1, "part")
            before = part
            named = parts.get(value)
            out.number(2 if named is not None else 1 if value else 0, "value")
            if named is not None:
                out.signed(named - part, "on")
            elif value:
                out.text(value, "said")


def _read_answers(source: Reader, index: Index, names: Remembered) -> dict[str, Answer]:
    answers, before = {}, -1
    for question in names.questions.named(source.members("answers")):
        result = source.number("result")
        if result >= len(RESULTS):
            raise Damaged("the saved progress holds an answer of an unknown kind")
        flags, attempts = source.number(f"locked {result}"), source.number(f"attempts {result}")
        points = _read_decimal(source, f"points {result}")
        row, used = source.number("row"), source.number("used")
        given = []
        for _ in range(source.count("given")):
            before += source.signed("part") + 1
            kind = source.number("value")
            value = names.parts.name(before + source.signed("on")) if kind > 1 else (
                source.text("said") if kind else "")
            given.append((names.parts.name(before), value))
        grader = index.questions.get(question)
        if grader is not None:
            answers[question] = restored_answer(grader, Answer(
                given=tuple(given), attempts=attempts, result=RESULTS[result], points=points,
                locked=bool(flags & 1), row=row, used=used, slips=flags >> 2,
                judged=None if flags & 2 or not attempts else tuple(given),
            ))
    return answers


def _write_timing(out: Writer, state: State) -> None:
    """Overlays that are open, clocks, timers and waits. The slide itself is an empty name."""
    def owner(name: str) -> None:
        out.text("" if name == state.slide else name, "owner")

    out.number(len(state.overlays), "overlays")
    for overlay in state.overlays:
        owner(overlay)
    out.number(len(state.clocks), "clocks")
    for name, time in sorted(state.clocks.items()):
        owner(name)
        out.number(time.at, "clock")
        out.number(int(time.runs), "runs")
    out.number(len(state.waiting), "waiting")
    for wait in state.waiting:
        owner(wait.owner)
        out.text(wait.rule, "rule")
        out.signed(wait.due - state.time, "due")
        out.number(BRANCHES.index(wait.branch), "branch")
        out.number(wait.index, "action")


def _read_timing(source: Reader, index: Index, state: State) -> dict[str, Any]:
    """Return the fields of the state for what the slide still has."""
    here = state.slide or ""

    def owner() -> str:
        return source.text("owner") or here

    overlays = tuple(
        name for name in [owner() for _ in range(source.count("overlays"))]
        if name in index.overlays and index.home.get(name) == here
    )
    clocks = {}
    for _ in range(source.count("clocks")):
        name = owner()
        clocks[name] = Time(source.number("clock"), bool(source.number("runs")))
    waiting = []
    for _ in range(source.count("waiting")):
        name, rule = owner(), source.text("rule")
        due, branch, action = source.signed("due"), source.number("branch"), source.number("action")
        if branch >= len(BRANCHES):
            raise Damaged("the saved progress waits for a thing of an unknown kind")
        if rule in index.rules:
            waiting.append(Waiting(state.time + due, name, rule, BRANCHES[branch], action))
    return {
        "overlays": overlays, "waiting": tuple(waiting),
        "clocks": {name: time for name, time in clocks.items() if name in index.clocks},
    }


def _numbered(out: Writer, names: Names, values: Mapping[str, T], name: str) -> list[T]:
    """Write which of `names` have values, by number; return their values in this order."""
    found = sorted(
        (names.numbers[one], value) for one, value in values.items() if one in names.numbers)
    out.members([number for number, _ in found], name)
    return [value for _, value in found]


def _write_near(out: Writer, numbers: list[int], name: str) -> None:
    """Write numbers by how far each is from the one after the last."""
    before = -1
    for one in numbers:
        out.signed(one - before - 1, name)
        before = one


def _read_near(source: Reader, count: int, name: str) -> list[int]:
    numbers, before = [], -1
    for _ in range(count):
        before += source.signed(name) + 1
        numbers.append(before)
    return numbers


def _write_decimal(out: Writer, value: float, name: str) -> None:
    """Write a number of the engine: how many decimals it has, and its digits."""
    digits, decimals = math.floor(value * 1e6 + 0.5), 6
    while decimals and digits % 10 == 0:
        digits, decimals = digits // 10, decimals - 1
    out.number(decimals, f"{name} decimals")
    out.signed(digits, name)


def _read_decimal(source: Reader, name: str) -> float:
    decimals = source.number(f"{name} decimals")
    if decimals > 6:
        raise Damaged("the saved progress holds a number with too many decimals")
    return number(source.signed(name) * 10 ** (6 - decimals) / 1e6)


def _of(values: dict[str, T], there: Mapping[str, Any]) -> dict[str, T]:
    return {name: value for name, value in values.items() if name in there}
