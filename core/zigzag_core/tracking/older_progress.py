"""Saved progress of the versions 1 to 4, which is read and no longer written.

Numbers have seven bits a byte, the lowest first; sets are bitmaps. The first version ends before
what elements have come to; in it and the second, answers are choices alone; the first three know
nothing of time limits. None of them keeps timing: it begins again.
"""

from collections.abc import Callable
from dataclasses import replace
from typing import Any, Literal, get_args

from zigzag_core.course import Look
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.quizzes import draws_to_resume
from zigzag_core.engine.state import Answer, Result, State
from zigzag_core.engine.values import Value, fitted, number
from zigzag_core.errors import Damaged
from zigzag_core.program.limits import LIMITS

from .older_bytes import Reader
from .remembered import Names, Remembered, restored_answer, slide_to_resume

VERSIONS = ("1", "2", "3", "4")

_RESULTS: tuple[Result | None, ...] = (None, "right", "wrong", "neutral", "partly")
_SUCCESS: tuple[Literal["unknown", "passed", "failed"], ...] = ("unknown", "passed", "failed")
_MARKED: tuple[Literal["", "passed", "failed"], ...] = ("", "passed", "failed")
_LOOKS: tuple[str, ...] = get_args(Look)[:7]


def unpack(index: Index, version: str, data: bytes) -> State:
    """Return the state in `data` of one of `VERSIONS`, as `progress.unpack` does."""
    source, names = Reader(data), Remembered(index.program)
    lengths = [source.varint() for _ in names.lengths]
    names.check(lengths, source.u32())
    state = engine.start(index, source.u32())
    rng, time, flags, current = source.u32(), source.varint(), source.varint(), source.varint()
    seen = set(names.slides.named(source.bits()))
    visited = tuple(slide for slide in index.order if slide in seen)
    state = replace(state, draws=draws_to_resume(index, state.draws, (), visited))
    elements = names.elements
    clicked = frozenset(e for e in elements.named(source.bits()) if e in index.elements)
    hidden = {e: True for e in elements.named(source.bits()) if e in index.elements}
    hidden |= {e: False for e in elements.named(source.bits()) if e in index.elements}
    looks = _read_looks(source, index, elements)
    values = {**state.variables, **_read_variables(source, index, names.variables)}
    read = _read_chosen if version in "12" else _read_answers
    answers = read(source, index, names)
    slide = slide_to_resume(
        index, names.slides.name(current - 1) if current else None, visited)
    success, marked = flags >> 1 & 3, flags >> 3
    if success >= len(_SUCCESS) or marked >= len(_MARKED):
        raise Damaged("the saved progress names a result that does not exist")
    if version != "1":
        opened = names.slides.named(source.bits())
        state = replace(
            state, opened=frozenset(slide for slide in opened if slide in index.position),
            **_read_placed(source, index, elements),
        )
    if version == "4":
        state, answers = _read_time(source, state, answers, names.questions)
    return replace(
        state, rng=rng, time=time, entered=time, slide=slide, visited=visited, clicked=clicked,
        hidden=hidden, looks=looks, variables=values, answers=answers,
        completed=bool(flags & 1), success=_SUCCESS[success], marked=_MARKED[marked],
    )


def _read_looks(source: Reader, index: Index, elements: Names) -> dict[str, str]:
    looks = {}
    for _ in range(source.varint()):
        element, look = elements.name(source.varint()), source.varint()
        if look > len(_LOOKS):
            raise Damaged("the saved progress names a look that does not exist")
        given = _LOOKS[look] if look < len(_LOOKS) else source.text()
        if element in index.elements:
            looks[element] = given
    return looks


def _read_variables(source: Reader, index: Index, variables: Names) -> dict[str, Value]:
    kinds: dict[int, Callable[[], Value]] = {
        0: lambda: False, 1: lambda: True, 2: lambda: number(source.signed()),
        3: lambda: number(source.signed() / 1e6), 4: source.text,
    }
    values: dict[str, Value] = {}
    for _ in range(source.varint()):
        name, kind = variables.name(source.varint()), source.varint()
        if kind not in kinds:
            raise Damaged("the saved progress holds a value of an unknown kind")
        value = kinds[kind]()
        if name in index.variables:
            values[name] = fitted(index.variables[name], value)
    return values


def _read_answers(source: Reader, index: Index, names: Remembered) -> dict[str, Answer]:
    answers = {}
    for _ in range(source.varint()):
        question = names.questions.name(source.varint())
        flags, attempts, points = source.varint(), source.varint(), source.signed()
        row = source.varint()
        given = []
        for _ in range(source.varint()):
            part, kind = names.parts.name(source.varint()), source.varint()
            value = names.parts.name(kind - 2) if kind > 1 else source.text() if kind else ""
            given.append((part, value))
        if flags > 31 or flags & 7 >= len(_RESULTS):
            raise Damaged("the saved progress holds an answer of an unknown kind")
        grader = index.questions.get(question)
        if grader is not None:
            answers[question] = restored_answer(grader, Answer(
                given=tuple(given), judged=tuple(given) if attempts else None,
                attempts=attempts, result=_RESULTS[flags & 7],
                locked=bool(flags & 8), row=row, points=points / 1e6 if flags & 16 else points,
            ))
    return answers


def _read_chosen(source: Reader, index: Index, names: Remembered) -> dict[str, Answer]:
    """Answers as versions 1 and 2 have them."""
    answers = {}
    for _ in range(source.varint()):
        question = names.questions.name(source.varint())
        flags, attempts, points = source.varint(), source.varint(), source.varint()
        chosen = names.parts.named([source.varint() for _ in range(source.varint())])
        if flags > 15:
            raise Damaged("the saved progress holds an answer of an unknown kind")
        grader = index.questions.get(question)
        if grader is not None:
            given = tuple((choice, "") for choice in chosen)
            answers[question] = restored_answer(grader, Answer(
                given=given, judged=given if attempts else None,
                attempts=attempts, result=_RESULTS[flags & 3], locked=bool(flags & 4),
                points=points / 1e6 if flags & 8 else points,
            ))
    return answers


def _read_placed(source: Reader, index: Index, elements: Names) -> dict[str, Any]:
    """Return where elements lie, and what was watched, for elements that still exist."""
    def element() -> str:
        return elements.name(source.varint())

    dropped = {}
    for _ in range(source.varint()):
        name, target = element(), element()
        if name in index.elements and target in index.elements:
            dropped[name] = target
    offsets = {}
    for _ in range(source.varint()):
        name = element()
        offset = (number(source.signed() / 100), number(source.signed() / 100))
        if name in index.elements:
            offsets[name] = offset
    watched = {}
    for _ in range(source.varint()):
        name, stretches, end = element(), [], 0
        for _ in range(source.varint()):
            since = end + source.varint()
            end = since + source.varint()
            stretches.append((since, end))
        if name in index.elements:
            watched[name] = tuple(stretches)
    return {"dropped": dropped, "offsets": offsets, "watched": watched}


def _read_time(
    source: Reader, state: State, answers: dict[str, Answer], questions: Names
) -> tuple[State, dict[str, Answer]]:
    state = replace(state, more_time=min(number(source.varint() / 10), LIMITS.most_time))
    timed = dict(answers)
    for _ in range(source.varint()):
        question, ms = questions.name(source.varint()), source.varint()
        if question in timed:
            timed[question] = replace(timed[question], used=ms)
    return state, timed
