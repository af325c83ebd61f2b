"""What expressions give in a state, and what is shown and open in it."""

from collections.abc import Callable, Mapping

from zigzag_core.course.rules.expression import NAMED, Node
from zigzag_core.grading.grade import verdict
from zigzag_core.grading.tally import Tally, is_ready, is_unjudged, measure
from zigzag_core.program.limits import LIMITS

from . import quiz_results, results
from .index import Index
from .operators import apply
from .order import Order
from .state import Answer, State, Time
from .values import Value, number, to_yes_no

_NONE = Answer()
_START = Time()


def evaluate(index: Index, state: State, node: Node, depth: int = 0) -> Value:
    """Return the value of expression `node` in `state`; names that no longer exist give 0 or no."""
    if isinstance(node, (bool, str)):
        return node
    if isinstance(node, (int, float)):
        return number(node)
    operator = node[0]
    if operator == "variable":
        return state.variables.get(node[1], 0.0)
    if operator == "live":
        return live(index, state, node[1])
    if operator == "seen":
        return node[1] in state.visited
    if operator == "clicked":
        return node[1] in state.clicked
    if operator in _OF_QUIZZES:
        return _of_quizzes(index, state, operator, node[1])
    if operator in _FACTS:
        return _fact(index, state, operator, node[1], depth)
    if operator == "given":
        return _given(index, state, node[1], node[2])
    if operator in _OF_QUESTION:
        return _of_question(index, state, operator, node[1])
    if operator == "and":
        return all(to_yes_no(evaluate(index, state, part, depth)) for part in node[1:])
    if operator == "or":
        return any(to_yes_no(evaluate(index, state, part, depth)) for part in node[1:])
    if operator == "if":
        chosen = node[2] if to_yes_no(evaluate(index, state, node[1], depth)) else node[3]
        return evaluate(index, state, chosen, depth)
    return apply(operator, [evaluate(index, state, part, depth) for part in node[1:]])


def live(index: Index, state: State, name: str) -> Value:
    """Return a value that the course itself keeps (`LiveValue`), or the score of a set or tag.

    Unknown names give 0.
    """
    if name in quiz_results.OF_QUIZ:
        return quiz_results.fact(index, state, name, index.quiz_for(state.slide or ""))
    value = _LIVE.get(name)
    if value:
        return value(index.ordered(state.draws), index, state)
    return quiz_results.of_part(index, state, name) or 0.0


def _title(order: Order, index: Index, state: State) -> Value:
    slide = index.slides.get(state.slide or "")
    return slide.title if slide else ""


def _answered(order: Order, index: Index, state: State) -> Value:
    return float(sum(
        answer.locked for name, answer in state.answers.items() if name in index.questions))


_LIVE: Mapping[str, Callable[[Order, Index, State], Value]] = {
    "points": lambda order, index, state: number(results.points(index, state)),
    "max_points": lambda order, index, state: number(order.max_points),
    "score": lambda order, index, state: number(results.score(index, state) or 0.0),
    "slides_seen": lambda order, index, state: float(results.slides_seen(index, state)),
    "slides": lambda order, index, state: float(len(order.slides)),
    "slide_number": lambda order, index, state: float(
        order.position.get(state.slide or "", -1) + 1),
    "slide_title": _title,
    "minutes": lambda order, index, state: float(state.time // 60_000),
    "seconds": lambda order, index, state: float(state.time // 1_000),
    "learner_name": lambda order, index, state: state.learner,
    "result": lambda order, index, state: (
        "open" if state.success == "unknown" else state.success),
    "answered": _answered,
    "questions": lambda order, index, state: float(order.questions),
    "question_number": lambda order, index, state: float(order.numbers(state.slide or "")[0]),
    "question_count": lambda order, index, state: float(order.numbers(state.slide or "")[1]),
}


_OF_QUIZZES = frozenset(
    name for name, kind in NAMED.items() if kind in ("quizzes", "question_sets", "bands"))


def _of_quizzes(index: Index, state: State, operator: str, name: str) -> Value:
    match NAMED[operator]:
        case "quizzes":
            return quiz_results.fact(index, state, operator, index.quizzes.get(name))
        case "question_sets":
            return quiz_results.of_set(index, state, operator, name)
    return quiz_results.in_band(index, state, name)


_OF_QUESTION = frozenset(name for name, kind in NAMED.items() if kind == "questions")


def _of_question(index: Index, state: State, operator: str, question: str) -> Value:
    answer = state.answers.get(question, _NONE)
    match operator:
        case "chosen":
            grader = index.questions.get(question)
            return grader is not None and is_ready(grader, answer.given)
        case "unjudged":
            grader = index.questions.get(question)
            return grader is not None and is_unjudged(grader, answer.given, answer.judged)
        case "locked":
            return answer.locked
        case "attempts":
            return float(answer.attempts)
        case "right":
            return answer.result == "right"
        case "earned":
            return number(answer.points)
        case "row":
            return float(answer.row)
        case "outcome":
            return answer.result or ""
        case "told":
            return _told(index, question, answer)
    grader = index.questions.get(question)
    if grader is None or grader.attempts is None:
        return 0.0
    return float(max(grader.attempts - answer.attempts, 0))


def _told(index: Index, question: str, answer: Answer) -> str:
    grader = index.questions.get(question)
    if grader is None or answer.result is None:
        return ""
    tally = Tally(answer.right, answer.wrong, measure(grader, ()).of)
    return verdict(grader, answer.result, answer.points, tally, answer.attempts, index.say)


def _given(index: Index, state: State, question: str, part: str) -> Value:
    """Whether a part was chosen or hit; of others what stands in it, or where it lies."""
    grader = index.questions.get(question)
    if grader is None:
        return False
    found = [value for name, value in state.answers.get(question, _NONE).given if name == part]
    if grader.form in ("choose", "spots"):
        return bool(found)
    return found[-1] if found else ""


_FACTS = frozenset(NAMED) - _OF_QUESTION - _OF_QUIZZES - {"variable", "live", "seen", "clicked"}


def _fact(index: Index, state: State, operator: str, name: str, depth: int) -> Value:
    match operator:
        case "shown":
            return is_visible(index, state, name, depth + 1)
        case "watched":
            return watched_share(index, state, name)
        case "dropped":
            return state.dropped.get(name, "")
        case "open":
            return name in state.overlays
        case "seconds_on":
            return float((state.time - state.entered) // 1_000) if name == state.slide else 0.0
        case "gate":
            return gate_is_open(index, state, name, depth + 1)
    seen_set = index.sets.get(name)
    of = seen_set.of if seen_set else ()
    seen = sum(element in state.clicked for element in of)
    if operator == "all_seen":
        return seen == len(of)
    return float(seen if operator == "seen_of" else len(of) - seen)


def is_visible(index: Index, state: State, element: str, depth: int = 0) -> bool:
    """Return whether `element` is shown, and the groups that it is in."""
    if element not in index.elements or depth > LIMITS.deepest:
        return False
    return _shown(index, state, element, depth) and all(
        _shown(index, state, group, depth) for group in index.groups_of(element)
    )


def _shown(index: Index, state: State, name: str, depth: int) -> bool:
    """A rule's word comes first, then the element's own condition and its cues."""
    hidden = state.hidden.get(name)
    if hidden is not None:
        return not hidden
    element = index.elements[name]
    if element.spans:
        now = state.clocks.get(index.overlay_of.get(name) or index.home[name], _START).at
        if not any(s.at <= now and (s.until is None or now < s.until) for s in element.spans):
            return False
    return to_yes_no(evaluate(index, state, element.visible, depth))


def is_enabled(index: Index, state: State, element: str) -> bool:
    """Return whether `element` can be used: no rule has disabled it or a group that it is in."""
    if any(name in state.disabled for name in (element, *index.groups_of(element))):
        return False
    return to_yes_no(evaluate(index, state, index.elements[element].enabled))


def watched_share(index: Index, state: State, element: str) -> float:
    """Return the share (0..1) of a video's or audio's distinct ms that was really played, of those
    that are to be played.
    """
    pieces = index.pieces_of(element)
    length = sum(until - since for since, until in pieces)
    if not length:
        return 0.0
    played = sum(
        max(min(until, end) - max(since, begin), 0)
        for since, until in state.watched.get(element, ()) for begin, end in pieces)
    return number(min(played / length, 1))


def gate_is_open(index: Index, state: State, slide: str, depth: int = 0) -> bool:
    """Return whether the learner may leave `slide` forward, as far as its gate goes."""
    found = index.slides.get(slide)
    if found is None or found.gate is None or slide in state.opened:
        return True
    if depth > LIMITS.deepest:
        return False
    return to_yes_no(evaluate(index, state, found.gate.condition, depth))
