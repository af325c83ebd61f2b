"""Checks of questions one by one: what is missing, what can never be right."""

from collections import Counter
from collections.abc import Iterator

from zigzag_core.compiler.questions import blanks_of, grader_of
from zigzag_core.course import Element, Slide
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.text.numbers import in_digits
from zigzag_core.course.text.spoken import all_spoken, spoken
from zigzag_core.grading.accepted import accepted, as_ranges, plainer
from zigzag_core.grading.solutions import right_response
from zigzag_core.grading.tally import measure

from .feedback import never_said
from .finding import Finding, Problem
from .pairs import pair_problems

LETTERS_A_SECOND = 25
"""So fast can a slide be read (about 250 words a minute), and answered not at all."""


def question_findings(slide: Slide) -> Iterator[Finding]:
    """Yield what is wrong with the questions of `slide`."""
    by_id = {element.id: element for element in slide.elements}
    for question in slide.questions:
        place = question.prompt or next(q.answer_elements(question), None)
        for level, code, words in _problems(question, slide, by_id):
            yield Finding(
                level="error" if level == "error" else "warning", code=code, slide=slide.id,
                element=place, message=f"The question “{question.name}” {words}.",
            )


def _problems(
    question: q.Question, slide: Slide, by_id: dict[str, Element]
) -> Iterator[Problem]:
    if question.submit is None and question.judged == "submit":
        yield "error", "no_submit", "has no button that submits it"
    problems = list(_of_kind(question, slide, by_id))
    yield from problems
    if question.time_limit:
        letters = sum(len(spoken(e)) for e in slide.elements if e.kind in ("text", "button"))
        if letters / LETTERS_A_SECOND > question.time_limit:
            yield "warning", "too_little_time", (
                f"gives {question.time_limit} seconds, too few to read the slide")
    if question.penalty and question.purpose == "scored":
        if question.partial == "per_answer":
            yield "warning", "penalty_unused", (
                "gives the points of each answer, so that its penalty is never taken")
        elif not question.floor:
            yield "warning", "penalty_unused", (
                "goes no lower than 0 points, so that its penalty is never taken")
    if question.after == "again" and not question.again_from:
        yield "warning", "again_nowhere", "starts again from no slide"
    yield from never_said(question, slide)
    unanswerable = any(code == "no_right_answer" for _, code, _ in problems)
    judged = DESCRIPTORS[question.kind].judged and not unanswerable
    if judged and question.purpose == "scored" and question.points:
        grader = grader_of(slide, question)
        if not measure(grader, right_response(grader)).complete:
            yield "warning", "cannot_be_right", "can never be answered right"


def _of_kind(
    question: q.Question, slide: Slide, by_id: dict[str, Element]
) -> Iterator[Problem]:
    match question:
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse():
            yield from _choices(question, all_spoken(by_id.values()))
        case q.FillBlanks():
            yield from _blanks(question, slide)
        case q.ShortText() | q.Numeric():
            if _is_empty(question.accepts):
                yield "error", "no_right_answer", "accepts no answer"
        case q.Matching() | q.DragToTarget():
            yield from pair_problems(question, by_id)
        case q.Ordering():
            if len(question.items) < 2:
                yield "error", "few_choices", "needs at least two things to put in order"
        case q.Hotspot():
            yield from _spots(question, by_id)
        case q.RatingScale() if not question.rows:
            yield "error", "few_choices", "has nothing to rate"


def _choices(
    question: q.SingleChoice | q.MultipleResponse | q.TrueFalse, texts: dict[str, str]
) -> Iterator[Problem]:
    right = sum(choice.right for choice in question.choices)
    words = Counter(texts[choice.element].strip().lower() for choice in question.choices)
    if len(question.choices) < 2:
        yield "error", "few_choices", "needs at least two answers"
    elif question.purpose != "survey" and right == 0:
        yield "error", "no_right_answer", "has no right answer"
    elif question.kind == "multiple_response" and right == len(question.choices):
        yield "warning", "all_right", "has right answers only"
    twice = next((text for text, n in words.items() if n > 1), None)
    if twice:
        yield "warning", "same_answers", f"has the answer “{twice}” twice"


def _blanks(question: q.FillBlanks, slide: Slide) -> Iterator[Problem]:
    blanks = blanks_of(question, slide)
    if not blanks:
        yield "error", "few_choices", "has no blanks"
    accepts = [as_ranges(blank.accepts) for blank in blanks]
    for n, (blank, right) in enumerate(zip(blanks, accepts, strict=True), 1):
        if _is_empty(right):
            yield "error", "no_right_answer", f"accepts nothing in blank {n}"
        for word in blank.others:
            if accepted(right, word):
                yield "warning", "wrong_is_right", f"also accepts “{word}” in blank {n}"
        for m, (other, here) in enumerate(zip(blanks, accepts, strict=True), 1):
            if m <= n or blank.how == "list" or other.how == "list" or _same(right, here):
                continue
            both = next((w for w in _answers(right) if accepted(here, w)), None) or next(
                (w for w in _answers(here) if accepted(right, w)), None)
            if both:
                yield "warning", "fits_both", f"accepts “{both}” in blank {n} and in blank {m}"


def _is_empty(accepts: q.Accepts) -> bool:
    return not any(map(str.strip, accepts.words)) and not accepts.ranges and not accepts.near


def _answers(accepts: q.Accepts) -> tuple[str, ...]:
    """The words and the ends of the ranges."""
    return (*accepts.words, *(in_digits(end) for r in accepts.ranges for end in (r.low, r.high)))


def _same(one: q.Accepts, other: q.Accepts) -> bool:
    """Whether two blanks take the same, so that it does not matter which of them has which."""
    def words(of: q.Accepts) -> set[str]:
        return {plainer(of, word) for word in of.words}

    return one.ranges == other.ranges and words(one) == words(other)


def _spots(question: q.Hotspot, by_id: dict[str, Element]) -> Iterator[Problem]:
    right = sum(spot.right for spot in question.spots)
    if not right and question.purpose != "survey":
        yield "error", "no_right_answer", "has no right place"
    if question.clicks and right and question.clicks < min(question.needed or right, right):
        yield "warning", "cannot_be_right", "allows fewer clicks than there are places to find"
    ground = by_id.get(question.on or "")
    if ground is not None and ground.kind == "video" and getattr(ground, "controls", False):
        bar = ground.y + ground.h - 60
        for spot in question.spots:
            area = by_id[spot.element]
            if area.y + area.h > bar:
                yield "warning", "covers_controls", f"has a place over the controls: “{area.name}”"
