"""How large saved progress can get: the size of a run in which everything happened.

Every text is as long as it may be and in letters of the course's own script, drawn evenly, so
that nothing in them can be guessed; every number has all its digits; every slide was seen, every
element clicked, moved, hidden or shown, every question answered in all its parts. Videos were
watched in pieces.
"""

import random
from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass, replace

from zigzag_core.course import Input, NumberVariable, TextVariable, Variable
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import Answer, Earlier, Result, State, Taking
from zigzag_core.engine.values import Value, admitted, fitted, number
from zigzag_core.program import Disable, Grader, Program
from zigzag_core.program.limits import LIMITS
from zigzag_core.program.quiz import DrawnSet, DrawnUnit

from .progress import PROGRESS_ROOM, SCORM12_LIMIT, pack
from .shortened import LEFT_OUT, LEVELS, shortened

_PIECES = 10
"""In so many pieces a video is taken to be watched."""
_A_DAY = 24 * 3_600_000
_LATE = 4_000_000_000
"""A time (s since 1970) that takes much room."""
_LATIN = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789 ,.?"
_SCRIPTS = {
    "ru": (0x410, 64), "uk": (0x410, 64), "bg": (0x410, 64), "sr": (0x410, 64), "el": (0x391, 57),
    "he": (0x5D0, 27), "ar": (0x627, 36), "fa": (0x627, 36), "ur": (0x627, 36), "hi": (0x905, 53),
    "bn": (0x985, 53), "th": (0xE01, 46), "ka": (0x10D0, 33), "hy": (0x561, 38),
    "ja": (0x4E00, 3_000), "zh": (0x4E00, 6_000), "ko": (0xAC00, 5_000),
}
"""By language, the first letter of its script and how many there are; others write in Latin."""


def largest(index: Index) -> int:
    """Return the characters that `pack` needs of a run in which all there is happened."""
    return len(pack(index, fullest(index)))


@dataclass(frozen=True)
class Room:
    """What saved progress needs at most, in characters, and what an LMS with less room gets.

    `left_out` says in words what is not saved then; with all of it left out it is `least` long.
    """

    most: int
    least: int
    left_out: tuple[str, ...]


def rooms(index: Index) -> dict[str, Room]:
    """Return what saved progress needs by each kind of package, and what is left out to fit."""
    state = fullest(index)
    return {kind: _room(index, state, limit) for kind, limit in PROGRESS_ROOM.items()}


def room(index: Index, limit: int = SCORM12_LIMIT) -> Room:
    """Return what saved progress needs, and what is left out to fit into `limit` characters."""
    return _room(index, fullest(index), limit)


def _room(index: Index, state: State, limit: int) -> Room:
    sizes = []
    for level in range(LEVELS):
        sizes.append(len(pack(index, shortened(index, state, level))))
        if sizes[-1] <= limit:
            break
    return Room(sizes[0], sizes[-1], LEFT_OUT[:len(sizes) - 1])


def fullest(index: Index) -> State:
    """Return the state of a run in which all there is happened, the same each time.

    Of what quizzes draw there is what needs most room: each attempt forgets the one before.
    """
    program, draw = index.program, random.Random(index.program.course)
    letters = _letters(program.language)
    state = engine.start(index, draw.getrandbits(32))
    elements = sorted(index.elements.values(), key=lambda element: element.draw.id)
    # Progress has a number for those that rules show, hide or give a look.
    changed = frozenset(program.remembered.get("elements", ()))
    variables = {v.id: _value(v, draw, letters) for v in program.variables}
    for element in elements:
        if isinstance(element.draw, Input) and element.draw.variable in variables:
            given = _value(index.variables[element.draw.variable], draw, letters)
            variables[element.draw.variable] = fitted(
                index.variables[element.draw.variable], admitted(element.draw, given))
    answers = {q.id: _answer(q, draw, letters) for q in program.questions}
    gone = _not_drawn(program, answers)
    there = tuple(slide for slide in index.order if slide not in gone)
    return replace(
        state, rng=draw.getrandbits(32), time=_A_DAY, slide=there[-1], visited=there,
        path=tuple(draw.choice(index.order) for _ in range(LIMITS.longest_path)),
        clicked=frozenset(e.draw.id for e in elements if e.control != "none"),
        hidden={e.draw.id: draw.random() < 0.5 for e in elements if e.draw.id in changed},
        disabled=dict.fromkeys(sorted({
            action.element for bound in index.rules.values()
            for action in (*bound.rule.then, *bound.rule.otherwise)
            if isinstance(action, Disable) and draw.random() < 0.5}), True),
        looks={e.draw.id: draw.choice(["visited", "selected"]) for e in elements
               if e.draw.id in changed and e.draw.looks},
        offsets={e.draw.id: (_px(draw), _px(draw)) for e in elements
                 if e.draw.drag or e.draw.moves},
        dropped={e.draw.id: draw.choice(e.draw.drag.targets) for e in elements
                 if e.draw.drag and e.draw.drag.targets},
        watched={e.draw.id: _pieces(draw) for e in elements
                 if e.draw.kind in ("video", "audio") and index.keeps_watched(e.draw.id)},
        taking={quiz.id: _taking(draw) for quiz in program.quizzes},
        flagged=frozenset(slide for quiz in program.quizzes if quiz.overview
                          for slide in quiz.slides if draw.random() < 0.5 and slide not in gone),
        saved=_LATE,
        opened=frozenset(there), variables=variables,
        answers={q.id: answers[q.id] for q in program.questions if q.slide not in gone},
        more_time=1.5, retake=True,
    )


def _not_drawn(program: Program, answers: Mapping[str, Answer]) -> set[str]:
    """The slides of sets that are not in a draw whose answers need most room."""
    weights: Counter[str] = Counter()
    for grader in program.questions:
        weights[grader.slide] += 1 + sum(1 + len(text) for _, text in answers[grader.id].given)
    gone: set[str] = set()
    for quiz in program.quizzes:
        drawn = sorted(((sum(weights[slide] for slide in slides), slides) for slides in (
            _heaviest(one, weights) for one in quiz.sets)), reverse=True)
        there = {slide for _, slides in drawn[:quiz.take] for slide in slides}
        gone.update({slide for one in quiz.sets for unit in one.units for slide in unit.slides}
                    - there)
    return gone


def _heaviest(one: DrawnSet, weights: Mapping[str, int]) -> list[str]:
    """The slides of so many questions of a set as are drawn, those that weigh most."""
    def weight(unit: DrawnUnit) -> float:
        return sum(weights[slide] for slide in unit.slides) / max(unit.questions, 1)

    count = 0
    slides: list[str] = []
    for unit in sorted(one.units, key=weight, reverse=True):
        if one.take is None or not unit.questions or count + unit.questions <= one.take:
            slides += unit.slides
            count += unit.questions
    return slides


def _letters(language: str) -> str:
    first, count = _SCRIPTS.get(language.split("-")[0], (0, 0))
    return "".join(map(chr, range(first, first + count))) or _LATIN


def _text(draw: random.Random, letters: str, length: int) -> str:
    return "".join(draw.choice(letters) for _ in range(length))


def _value(variable: Variable, draw: random.Random, letters: str) -> Value:
    if isinstance(variable, TextVariable):
        return _text(draw, letters, LIMITS.longest_text)
    if isinstance(variable, NumberVariable):
        return fitted(variable, draw.uniform(-1e6, 1e6))
    return not variable.default


def _px(draw: random.Random) -> float:
    return number(draw.uniform(-1_280, 1_280))


def _pieces(draw: random.Random) -> tuple[tuple[int, int], ...]:
    ends = sorted(draw.sample(range(600_000), 2 * _PIECES))
    return tuple(zip(ends[::2], ends[1::2], strict=True))


def _taking(draw: random.Random) -> Taking:
    first, best, last, total = (number(draw.random()) for _ in range(4))
    return Taking(
        _A_DAY, True, True, _LATE, True, Earlier(draw.randint(1, 9), first, best, last, total))


def _answer(grader: Grader, draw: random.Random, letters: str) -> Answer:
    results: tuple[Result, ...] = ("right", "wrong", "partly")
    return Answer(
        given=_given(grader, draw, letters), attempts=draw.randint(1, grader.attempts or 3),
        result=draw.choice(results), locked=True, row=draw.randint(0, len(grader.rows)),
        points=number(round(draw.uniform(0, grader.points), 2)),
        used=draw.randint(0, round(grader.time_limit * 1_000)) if grader.time_limit else 0,
        slips=draw.randint(1, LIMITS.most_slips) if grader.drops_count else 0,
    )


def _given(
    grader: Grader, draw: random.Random, letters: str
) -> tuple[tuple[str, str], ...]:
    """A response that takes much room."""
    ids = [part.id for part in grader.parts]
    match grader.form:
        case "choose":
            count = min(grader.at_most or len(ids), len(ids))
            return tuple((name, "") for name in sorted(draw.sample(ids, count)))
        case "pairs":
            targets = [target.id for target in grader.targets]
            return tuple((name, draw.choice(targets)) for name in ids) if targets else ()
        case "order":
            return tuple((name, "") for name in draw.sample(ids, len(ids)))
        case "spots":
            return tuple(
                (grader.id, f"{draw.randint(0, 1_280)},{draw.randint(0, 720)}")
                for _ in range(grader.at_most or len(ids)))
        case "free":
            return tuple((name, _text(draw, letters, grader.at_most or 0)) for name in ids)
        case "scale":
            return tuple((name, str(draw.randint(1, 10))) for name in ids)
    return tuple(
        (part.id, draw.choice(part.options) if part.options
         else _text(draw, letters, grader.at_most or LIMITS.longest_text))
        for part in grader.parts)
