"""Saved progress: the state of a run in as few characters as can be.

Form: one character for the version, then base64url of the packed bytes and their CRC-32.
Things are written by their number in `Program.remembered`, which only ever grows from one
publication to the next; so progress of an older publication still names the same things. A
fingerprint over the names that were known at the time guards against another course's progress.
`docs/progress.md` has the layout byte by byte; the twin is `web/player/tracking/progress.ts`.
"""

import base64
import binascii
import zlib
from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import Literal, get_args

from zigzag_core.course import Look, NumberVariable, TextVariable
from zigzag_core.course.document import RememberedKind
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.random import fnv1a
from zigzag_core.engine.state import Answer, Result, State
from zigzag_core.engine.values import Value, fitted, number
from zigzag_core.errors import Damaged, OtherCourse
from zigzag_core.grading.tally import measure
from zigzag_core.program import Grader, Program
from zigzag_core.program.limits import LIMITS

from .bytes import Reader, Writer
from .placed import read_placed, write_placed

VERSION = "4"
OLDER = ("1", "2", "3")
"""Versions that can still be read. The first ends before what elements have come to; in it and
the second answers are choices alone; all of them know nothing of time limits."""

SCORM12_LIMIT = 4_096

_KINDS: tuple[RememberedKind, ...] = ("slides", "questions", "choices", "variables", "elements")
_RESULTS: tuple[Result | None, ...] = (None, "right", "wrong", "neutral", "partly")
_SUCCESS: tuple[Literal["unknown", "passed", "failed"], ...] = ("unknown", "passed", "failed")
_MARKED: tuple[Literal["", "passed", "failed"], ...] = ("", "passed", "failed")
_LOOKS: tuple[str, ...] = get_args(Look)[:7]
"""The looks that have a number; others are written out."""


def pack(index: Index, state: State) -> str:
    """Return `state` as text in ``[A-Za-z0-9_-]``.

    What belongs to the moment is left out: open overlays, time on the slide, the order in
    which slides were visited.
    """
    remembered = index.program.remembered
    numbers = {kind: _numbers(remembered.get(kind, ())) for kind in _KINDS}
    slides, questions, choices, variables, elements = (numbers[kind] for kind in _KINDS)
    out = Writer()
    lengths = [len(numbers[kind]) for kind in _KINDS]
    for length in lengths:
        out.varint(length)
    out.u32(_fingerprint(index.program, lengths))
    out.u32(state.seed)
    out.u32(state.rng)
    out.varint(state.time)
    out.varint(
        int(state.completed) | _SUCCESS.index(state.success) << 1
        | _MARKED.index(state.marked) << 3
    )
    out.varint(slides[state.slide] + 1 if state.slide in slides else 0)
    out.bits(_known(slides, state.visited))
    out.bits(_known(elements, state.clicked))
    out.bits(_known(elements, [e for e, hidden in state.hidden.items() if hidden]))
    out.bits(_known(elements, [e for e, hidden in state.hidden.items() if not hidden]))
    looks = sorted(
        (elements[e], look) for e, look in state.looks.items() if e in elements
    )
    out.varint(len(looks))
    for element, look in looks:
        out.varint(element)
        out.varint(_LOOKS.index(look) if look in _LOOKS else len(_LOOKS))
        if look not in _LOOKS:
            out.text(look)
    _write_variables(out, index, state, variables)
    _write_answers(out, state, questions, choices)
    out.bits(_known(slides, state.opened))
    write_placed(out, state, elements)
    _write_time(out, state, questions)
    raw = bytes(out.data)
    packed = raw + zlib.crc32(raw).to_bytes(4, "little")
    return VERSION + base64.urlsafe_b64encode(packed).decode().rstrip("=")


def unpack(index: Index, text: str) -> State:
    """Return the state that `text` holds, as far as the course still has what it names.

    Slides, questions, choices, variables and elements that are gone are left out; a slide to
    resume at that is gone is replaced by the last one that was seen. Raises `Damaged` where the
    text is not what was written, `OtherCourse` where it belongs to another course.
    """
    raw = _checked(text)
    source = Reader(raw)
    program = index.program
    lengths = [source.varint() for _ in _KINDS]
    names = {kind: program.remembered.get(kind, ()) for kind in _KINDS}
    if any(length > len(names[kind]) for kind, length in zip(_KINDS, lengths, strict=True)):
        raise OtherCourse("the saved progress is from another course or a newer publication")
    if source.u32() != _fingerprint(program, lengths):
        raise OtherCourse("the saved progress is from another course")
    slides, questions, choices, variables, elements = (names[kind] for kind in _KINDS)
    state = engine.start(index, source.u32())
    rng, time, flags, current = source.u32(), source.varint(), source.varint(), source.varint()
    seen = set(_named(slides, source.bits()))
    visited = tuple(slide for slide in index.order if slide in seen)
    clicked = frozenset(e for e in _named(elements, source.bits()) if e in index.elements)
    hidden = {e: True for e in _named(elements, source.bits()) if e in index.elements}
    hidden |= {e: False for e in _named(elements, source.bits()) if e in index.elements}
    looks = {}
    for _ in range(source.varint()):
        element, look = _name(elements, source.varint()), source.varint()
        if look > len(_LOOKS):
            raise Damaged("the saved progress names a look that does not exist")
        given = _LOOKS[look] if look < len(_LOOKS) else source.text()
        if element in index.elements:
            looks[element] = given
    values = {**state.variables, **_read_variables(source, index, variables)}
    read = _read_chosen if text.startswith(("1", "2")) else _read_answers
    answers = read(source, index, questions, choices)
    slide = _name(slides, current - 1) if current else None
    if slide not in index.position:
        slide = visited[-1] if visited else None
    success, marked = flags >> 1 & 3, flags >> 3
    if success >= len(_SUCCESS) or marked >= len(_MARKED):
        raise Damaged("the saved progress names a result that does not exist")
    if not text.startswith("1"):
        opened = _named(slides, source.bits())
        state = replace(
            state, opened=frozenset(slide for slide in opened if slide in index.position),
            **read_placed(source, index, elements),
        )
    if not text.startswith(OLDER):
        state, answers = _read_time(source, state, answers, questions)
    return replace(
        state, rng=rng, time=time, entered=time, slide=slide, visited=visited, clicked=clicked,
        hidden=hidden, looks=looks, variables=values, answers=answers,
        completed=bool(flags & 1), success=_SUCCESS[success], marked=_MARKED[marked],
    )


def largest(index: Index) -> int:
    """Return the characters that `pack` needs when all is seen, clicked and answered.

    Every question is answered in all its parts at its last attempt (the third where there is no
    limit), numbers have six digits and a fraction, texts 20 letters, open answers all they may.
    """
    program = index.program
    answers = {
        q.id: Answer(given=_fullest(q), attempts=q.attempts or 3, result="wrong", locked=True)
        for q in program.questions
    }
    variables: dict[str, Value] = {
        v.id: 123_456.75 if isinstance(v, NumberVariable)
        else "x" * 20 if isinstance(v, TextVariable) else not v.default
        for v in program.variables
    }
    controls = [e.draw.id for e in index.elements.values() if e.control != "none"]
    full = State(
        seed=2**32 - 1, rng=2**32 - 1, time=8 * 3_600_000, slide=index.order[-1],
        visited=index.order, clicked=frozenset(controls), variables=variables, answers=answers,
    )
    return len(pack(index, full))


def _fullest(grader: Grader) -> tuple[tuple[str, str], ...]:
    """The response that takes the most room."""
    ids = [part.id for part in grader.parts]
    match grader.form:
        case "choose":
            return tuple((name, "") for name in ids[-(grader.at_most or len(ids)):])
        case "pairs":
            last = grader.targets[-1].id if grader.targets else ""
            return tuple((name, last) for name in ids)
        case "order":
            return tuple((name, "") for name in ids)
        case "spots":
            return tuple((grader.id, "1280,720") for _ in range(grader.at_most or len(ids)))
        case "free":
            return tuple((name, "x" * (grader.at_most or 0)) for name in ids)
    return tuple((name, "x" * 20) for name in ids)


def _numbers(names: Sequence[str]) -> dict[str, int]:
    return {name: number for number, name in enumerate(names)}


def _known(numbers: dict[str, int], names: Iterable[str]) -> list[int]:
    return sorted(numbers[name] for name in names if name in numbers)


def _name(names: Sequence[str], number: int) -> str:
    if number >= len(names):
        raise Damaged("the saved progress names a thing that was never published")
    return names[number]


def _named(names: Sequence[str], numbers: Iterable[int]) -> list[str]:
    return [_name(names, number) for number in numbers]


def _fingerprint(program: Program, lengths: Sequence[int]) -> int:
    known = [program.course]
    for kind, length in zip(_KINDS, lengths, strict=True):
        known += program.remembered.get(kind, ())[:length]
    return fnv1a(",".join(known))


def _checked(text: str) -> bytes:
    if not text.startswith((VERSION, *OLDER)):
        raise Damaged("the saved progress has an unknown version")
    body = text[1:]
    try:
        packed = base64.b64decode(body + "=" * (-len(body) % 4), altchars=b"-_", validate=True)
    except (binascii.Error, ValueError):
        raise Damaged("the saved progress is not the text that was saved") from None
    raw, checksum = packed[:-4], packed[-4:]
    if len(packed) < 5 or zlib.crc32(raw).to_bytes(4, "little") != checksum:
        raise Damaged("the checksum of the saved progress does not match")
    return raw


_NO, _YES, _WHOLE, _DECIMAL, _TEXT = range(5)


def _write_variables(out: Writer, index: Index, state: State, numbers: dict[str, int]) -> None:
    """Write the variables that differ from their defaults."""
    changed = sorted(
        (numbers[name], value) for name, value in state.variables.items()
        if name in numbers and name in index.variables
        and value != fitted(index.variables[name], index.variables[name].default)
    )
    out.varint(len(changed))
    for position, value in changed:
        out.varint(position)
        if isinstance(value, bool):
            out.varint(_YES if value else _NO)
        elif isinstance(value, str):
            out.varint(_TEXT)
            out.text(value)
        elif value == int(value):
            out.varint(_WHOLE)
            out.signed(int(value))
        else:
            out.varint(_DECIMAL)
            out.signed(round(value * 1e6))


def _read_variables(source: Reader, index: Index, names: Sequence[str]) -> dict[str, Value]:
    values: dict[str, Value] = {}
    for _ in range(source.varint()):
        name, kind = _name(names, source.varint()), source.varint()
        value: Value
        if kind == _TEXT:
            value = source.text()
        elif kind == _WHOLE:
            value = number(source.signed())
        elif kind == _DECIMAL:
            value = number(source.signed() / 1e6)
        elif kind in (_NO, _YES):
            value = kind == _YES
        else:
            raise Damaged("the saved progress holds a value of an unknown kind")
        if name in index.variables:
            values[name] = fitted(index.variables[name], value)
    return values


def _write_answers(
    out: Writer, state: State, questions: dict[str, int], parts: dict[str, int]
) -> None:
    """A value that names a part is written by its number + 2, none as 0, words as 1 and themselves.
    """
    answers = sorted(
        (questions[q], a) for q, a in state.answers.items() if q in questions
    )
    out.varint(len(answers))
    for position, answer in answers:
        whole = answer.points == int(answer.points)
        out.varint(position)
        out.varint(_RESULTS.index(answer.result) | answer.locked << 3 | (not whole) << 4)
        out.varint(answer.attempts)
        out.signed(int(answer.points) if whole else round(answer.points * 1e6))
        out.varint(answer.row)
        given = [(parts[part], value) for part, value in answer.given if part in parts]
        out.varint(len(given))
        for part, value in given:
            out.varint(part)
            if value in parts:
                out.varint(parts[value] + 2)
            else:
                out.varint(1 if value else 0)
                if value:
                    out.text(value)


def _read_answers(
    source: Reader, index: Index, questions: Sequence[str], parts: Sequence[str]
) -> dict[str, Answer]:
    answers = {}
    for _ in range(source.varint()):
        question = _name(questions, source.varint())
        flags, attempts, points = source.varint(), source.varint(), source.signed()
        row = source.varint()
        given = []
        for _ in range(source.varint()):
            part, kind = _name(parts, source.varint()), source.varint()
            value = _name(parts, kind - 2) if kind > 1 else source.text() if kind else ""
            given.append((part, value))
        if flags > 31 or flags & 7 >= len(_RESULTS):
            raise Damaged("the saved progress holds an answer of an unknown kind")
        grader = index.questions.get(question)
        if grader is not None:
            answers[question] = _judged(grader, Answer(
                given=_still_there(grader, given), attempts=attempts, result=_RESULTS[flags & 7],
                locked=bool(flags & 8), row=row,
                points=_bounded(grader, points / 1e6 if flags & 16 else points),
            ))
    return answers


def _write_time(out: Writer, state: State, questions: dict[str, int]) -> None:
    """Write how much longer limits are, in tenths, and the ms that questions have had."""
    out.varint(int(state.more_time * 10 + 0.5))
    used = sorted((questions[q], a.used) for q, a in state.answers.items()
                  if a.used and q in questions)
    out.varint(len(used))
    for position, ms in used:
        out.varint(position)
        out.varint(ms)


def _read_time(
    source: Reader, state: State, answers: dict[str, Answer], questions: Sequence[str]
) -> tuple[State, dict[str, Answer]]:
    state = replace(state, more_time=min(number(source.varint() / 10), LIMITS.most_time))
    timed = dict(answers)
    for _ in range(source.varint()):
        question, ms = _name(questions, source.varint()), source.varint()
        if question in timed:
            timed[question] = replace(timed[question], used=ms)
    return state, timed


def _bounded(grader: Grader, points: float) -> float:
    return max(min(number(points), grader.points), number(grader.floor))


def _judged(grader: Grader, answer: Answer) -> Answer:
    """The answer with what was right and wrong in it counted again: that is not kept."""
    if answer.result is None:
        return answer
    tally = measure(grader, answer.given)
    return replace(answer, right=tally.right, wrong=tally.wrong)


def _still_there(grader: Grader, given: list[tuple[str, str]]) -> tuple[tuple[str, str], ...]:
    """What was given, without what the question no longer has; an order only if it is whole."""
    parts = {part.id for part in grader.parts}
    targets = {target.id for target in grader.targets}
    kept = tuple(
        (part, value) for part, value in given
        if (part in parts or part == grader.id)
        and (grader.form != "pairs" or value in targets)
    )
    return () if grader.form == "order" and len(kept) != len(parts) else kept


def _read_chosen(
    source: Reader, index: Index, questions: Sequence[str], choices: Sequence[str]
) -> dict[str, Answer]:
    """Answers as versions 1 and 2 have them."""
    answers = {}
    for _ in range(source.varint()):
        question = _name(questions, source.varint())
        flags, attempts, points = source.varint(), source.varint(), source.varint()
        chosen = [_name(choices, source.varint()) for _ in range(source.varint())]
        if flags > 15:
            raise Damaged("the saved progress holds an answer of an unknown kind")
        grader = index.questions.get(question)
        if grader is not None:
            answers[question] = _judged(grader, Answer(
                given=_still_there(grader, [(choice, "") for choice in chosen]),
                attempts=attempts, result=_RESULTS[flags & 3], locked=bool(flags & 4),
                points=_bounded(grader, points / 1e6 if flags & 8 else points),
            ))
    return answers
