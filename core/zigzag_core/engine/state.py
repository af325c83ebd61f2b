"""The state of a run: everything that a learner's way through a course has come to."""

from dataclasses import dataclass, field
from typing import Any, Literal

from .values import Value

Success = Literal["unknown", "passed", "failed"]
Result = Literal["right", "partly", "wrong", "neutral"]


@dataclass(frozen=True, slots=True)
class Answer:
    """What was done with one question: its parts and what was `given` for them.

    `since` is the run's time (ms) at the last submission, `row` the row of the answer table that
    it took then, from 1; so many parts were `right` and `wrong` then. `judged` is what stood in it
    after that. `slips` are the wrong drops of this attempt, where they count. Of a question with a
    time limit `used` is the time it has had (ms).
    """

    given: tuple[tuple[str, str], ...] = ()
    attempts: int = 0
    result: Result | None = None
    points: float = 0.0
    locked: bool = False
    since: int = 0
    row: int = 0
    right: int = 0
    wrong: int = 0
    used: int = 0
    judged: tuple[tuple[str, str], ...] | None = None
    slips: int = 0


@dataclass(frozen=True, slots=True)
class Time:
    """Where the clock of a slide or overlay stands (ms), and whether it was started."""

    at: int = 0
    runs: bool = True


@dataclass(frozen=True, slots=True)
class Waiting:
    """At the run's time `due` a rule goes on.

    Its `branch` from the action number `index`; or a *timer* goes off. It is dropped when its
    `owner` (a slide, an overlay, the course) is left.
    """

    due: int
    owner: str
    rule: str
    branch: Literal["then", "otherwise", "timer"] = "timer"
    index: int = 0


@dataclass(frozen=True, slots=True)
class Leaving:
    """Where the learner goes on to once the feedback to what was judged on leaving is closed.

    `beside` are the overlays that were open before that.
    """

    to: str
    slide: str | None = None
    offer_back: bool = False
    beside: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Draw:
    """What was drawn of a quiz: its slides in order, at which attempt (from 1).

    `seen` are slides of earlier attempts, where these are to be avoided; `kept` those that were
    answered right, where only the rest comes again.
    """

    quiz: str
    slides: tuple[str, ...]
    attempt: int = 1
    seen: tuple[str, ...] = ()
    kept: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Earlier:
    """What the `count` earlier attempts at a quiz came to, as shares (0..1) of all points.

    That is the `first`, the `best` and the `last` of them, and their `total`.
    """

    count: int = 0
    first: float = 0.0
    best: float = 0.0
    last: float = 0.0
    total: float = 0.0


@dataclass(frozen=True, slots=True)
class Taking:
    """How far the present attempt at a quiz is.

    `used` is the time it has had (ms). The learner was `asked` whether to finish with open
    questions. Once it is `finished`, nothing in it is answered any more; it was `over` then (s
    since 1970, 0 where that is not known). `sent`: its report has arrived.
    """

    used: int = 0
    asked: bool = False
    finished: bool = False
    over: int = 0
    sent: bool = False
    earlier: Earlier = Earlier()


NOT_BEGUN = Taking()


@dataclass(frozen=True, slots=True)
class State:
    """`draws` are the slides that this learner gets of quizzes; one without has all of its own.
    `taking` says how far the attempts at quizzes are.
    `time` is ms spent in the course, `entered` the time when the current slide was entered.
    `visited` lists slides in the order in which they were first seen, `path` those that the learner
    came by and can go back to, the last at its end; `hidden` holds only what differs from the
    program, `disabled` what rules have disabled, `looks` only looks that a rule has given.
    `offsets` are those (px) from where elements stand, `moves` the last move of an element, when
    and where it began, `dropped` the targets that elements lie on. `watched` holds, by video or
    audio, the stretches (ms) that were really played, in order and apart; `positions` are those
    (ms) that the slide's videos and audio have come to. `opened` are slides whose gates are open
    for good. `back` is the slide that a learner who was sent to read again may go back to,
    `leaving` where one is going whose answer is judged first. Time limits are `more_time` as long
    as set; 0 is no limit. Clocks run at `speed` per cent. In a `retake` the learner has run the
    course before. `flagged` are slides with the learner's flag. At the run's time 0 it was `epoch`
    (ms since 1970, 0 where that is not known), at the learner's place `zone` minutes more; progress
    that was read was saved at `saved` (s since 1970).
    """

    seed: int
    rng: int
    draws: tuple[Draw, ...] = ()
    taking: dict[str, Taking] = field(default_factory=dict)
    time: int = 0
    entered: int = 0
    slide: str | None = None
    visited: tuple[str, ...] = ()
    path: tuple[str, ...] = ()
    clicked: frozenset[str] = frozenset()
    hidden: dict[str, bool] = field(default_factory=dict)
    disabled: dict[str, bool] = field(default_factory=dict)
    looks: dict[str, str] = field(default_factory=dict)
    variables: dict[str, Value] = field(default_factory=dict)
    overlays: tuple[str, ...] = ()
    answers: dict[str, Answer] = field(default_factory=dict)
    clocks: dict[str, Time] = field(default_factory=dict)
    waiting: tuple[Waiting, ...] = ()
    paused: bool = False
    offsets: dict[str, tuple[float, float]] = field(default_factory=dict)
    moves: dict[str, tuple[str, int, float, float]] = field(default_factory=dict)
    dropped: dict[str, str] = field(default_factory=dict)
    watched: dict[str, tuple[tuple[int, int], ...]] = field(default_factory=dict)
    positions: dict[str, int] = field(default_factory=dict)
    opened: frozenset[str] = frozenset()
    back: str | None = None
    leaving: Leaving | None = None
    more_time: float = 1
    speed: int = 100
    learner: str = ""
    retake: bool = False
    flagged: frozenset[str] = frozenset()
    epoch: int = 0
    zone: int = 0
    saved: int = 0
    marked: Literal["", "passed", "failed"] = ""
    completed: bool = False
    success: Success = "unknown"
    ended: bool = False


def as_json(state: State) -> dict[str, Any]:
    """Return `state` as plain JSON values, sets sorted, for traces and for other processes."""
    return {
        "seed": state.seed, "rng": state.rng,
        "draws": [
            [d.quiz, list(d.slides), d.attempt, list(d.seen), list(d.kept)] for d in state.draws],
        "taking": {
            quiz: [t.used, t.asked, t.finished, t.earlier.count, t.earlier.first, t.earlier.best,
                   t.earlier.last, t.earlier.total, t.over, t.sent]
            for quiz, t in state.taking.items()
        },
        "time": state.time,
        "entered": state.entered, "slide": state.slide,
        "visited": list(state.visited), "path": list(state.path), "clicked": sorted(state.clicked),
        "hidden": state.hidden, "disabled": state.disabled, "looks": state.looks,
        "variables": state.variables,
        "overlays": list(state.overlays),
        "answers": {
            question: {
                "given": [list(pair) for pair in answer.given], "attempts": answer.attempts,
                "result": answer.result, "points": answer.points,
                "locked": answer.locked, "since": answer.since, "row": answer.row,
                "right": answer.right, "wrong": answer.wrong,
                "used": answer.used, "slips": answer.slips,
                "judged": None if answer.judged is None else [list(p) for p in answer.judged],
            }
            for question, answer in state.answers.items()
        },
        "clocks": {owner: [time.at, time.runs] for owner, time in state.clocks.items()},
        "waiting": [
            [w.due, w.owner, w.rule, w.branch, w.index] for w in state.waiting
        ],
        "paused": state.paused,
        "offsets": {element: list(offset) for element, offset in state.offsets.items()},
        "moves": {element: list(move) for element, move in state.moves.items()},
        "dropped": state.dropped,
        "watched": {
            element: [list(stretch) for stretch in stretches]
            for element, stretches in state.watched.items()
        },
        "positions": state.positions, "opened": sorted(state.opened), "back": state.back,
        "leaving": state.leaving and [
            state.leaving.to, state.leaving.slide, state.leaving.offer_back,
            list(state.leaving.beside)],
        "more_time": state.more_time, "speed": state.speed,
        "flagged": sorted(state.flagged), "epoch": state.epoch, "zone": state.zone,
        "saved": state.saved,
        "learner": state.learner, "retake": state.retake, "marked": state.marked,
        "completed": state.completed, "success": state.success, "ended": state.ended,
    }
