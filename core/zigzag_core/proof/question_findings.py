"""Checks of questions: what is missing, what gives the answer away, what can never be."""

from collections import Counter
from collections.abc import Iterator

from zigzag_core.assess.measure import measure
from zigzag_core.assess.solutions import right_response
from zigzag_core.assess.wording import accepted, plainer
from zigzag_core.course import CourseDocument, Element, Slide, plain
from zigzag_core.course import questions as q
from zigzag_core.package.questions import grader_of, spoken

from .finding import Finding

LETTERS_A_SECOND = 25
"""So fast can a slide be read (about 250 words a minute), and answered not at all."""

_ENOUGH = 5
"""From so many questions on a pattern over the course is one."""


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


def course_question_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what gives answers away over a whole course."""
    longest = first = asked = 0
    for slide in document.slides:
        by_id = {element.id: element for element in slide.elements}
        for question in slide.questions:
            if not isinstance(question, q.SingleChoice) or len(question.choices) < 3:
                continue
            lengths = [len(spoken(by_id[c.element])) for c in question.choices]
            right = [n for n, c in enumerate(question.choices) if c.right]
            if len(right) != 1:
                continue
            asked += 1
            longest += lengths[right[0]] == max(lengths) and lengths.count(max(lengths)) == 1
            first += not question.shuffle and right[0] == 0
    if asked >= _ENOUGH and longest == asked:
        yield Finding(level="warning", code="longest_is_right",
                      message="The longest answer is the right one in every question.")
    if asked >= _ENOUGH and first == asked:
        yield Finding(level="warning", code="first_is_right",
                      message="The right answer is always the first one.")


Problem = tuple[str, str, str]


def _problems(
    question: q.Question, slide: Slide, by_id: dict[str, Element]
) -> Iterator[Problem]:
    if question.submit is None and question.judged == "submit":
        yield "error", "no_submit", "has no button that submits it"
    yield from _of_kind(question, by_id)
    if question.time_limit:
        letters = sum(len(spoken(e)) for e in slide.elements if e.kind in ("text", "button"))
        if letters / LETTERS_A_SECOND > question.time_limit:
            yield "warning", "too_little_time", (
                f"gives {question.time_limit} seconds, too few to read the slide")
    if question.after == "again" and not question.again_from:
        yield "warning", "again_nowhere", "starts again from no slide"
    yield from _table(question)
    unjudged = ("rating_scale", "open_answer")
    if question.purpose == "scored" and question.points and question.kind not in unjudged:
        grader = grader_of(slide, question)
        if not measure(grader, right_response(grader)).complete:
            yield "warning", "cannot_be_right", "can never be answered right"


def _of_kind(question: q.Question, by_id: dict[str, Element]) -> Iterator[Problem]:
    match question:
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse():
            yield from _choices(question, by_id)
        case q.FillBlanks():
            yield from _blanks(question)
        case q.ShortText() | q.Numeric():
            if not question.accepts.words and not question.accepts.ranges:
                yield "error", "no_right_answer", "accepts no answer"
        case q.Matching() | q.DragToTarget():
            yield from _pairs(question, by_id)
        case q.Ordering():
            if len(question.items) < 2:
                yield "error", "few_choices", "needs at least two things to put in order"
        case q.Hotspot():
            yield from _spots(question, by_id)
        case q.RatingScale() if not question.rows:
            yield "error", "few_choices", "has nothing to rate"


def _choices(
    question: q.SingleChoice | q.MultipleResponse | q.TrueFalse, by_id: dict[str, Element]
) -> Iterator[Problem]:
    right = sum(choice.right for choice in question.choices)
    words = Counter(spoken(by_id[choice.element]).strip().lower() for choice in question.choices)
    if len(question.choices) < 2:
        yield "error", "few_choices", "needs at least two answers"
    elif question.purpose != "survey" and right == 0:
        yield "error", "no_right_answer", "has no right answer"
    elif question.kind == "multiple_response" and right == len(question.choices):
        yield "warning", "all_right", "has right answers only"
    twice = next((text for text, n in words.items() if n > 1), None)
    if twice:
        yield "warning", "same_answers", f"has the answer “{twice}” twice"


def _blanks(question: q.FillBlanks) -> Iterator[Problem]:
    if not question.blanks:
        yield "error", "few_choices", "has no blanks"
    for n, blank in enumerate(question.blanks, 1):
        if not blank.accepts.words and not blank.accepts.ranges:
            yield "error", "no_right_answer", f"accepts nothing in blank {n}"
        for word in blank.others:
            if accepted(blank.accepts, word):
                yield "warning", "wrong_is_right", f"also accepts “{word}” in blank {n}"
        for m, other in enumerate(question.blanks, 1):
            if m <= n or blank.how == "list" or other.how == "list":
                continue
            both = next((w for w in blank.accepts.words if accepted(other.accepts, w)), None)
            if both and _words_of(blank) != _words_of(other):
                yield "warning", "fits_both", f"accepts “{both}” in blank {n} and in blank {m}"


def _words_of(blank: q.Blank) -> set[str]:
    return {plainer(blank.accepts, word) for word in blank.accepts.words}


def _pairs(
    question: q.Matching | q.DragToTarget, by_id: dict[str, Element]
) -> Iterator[Problem]:
    if not question.items or not question.targets:
        yield "error", "few_choices", "needs things to place and places for them"
        return
    if not any(item.to for item in question.items):
        yield "error", "no_right_answer", "has nothing that belongs anywhere"
    if question.kind != "drag_to_target":
        return
    sizes = {(round(e.w), round(e.h)) for i in question.items if (e := by_id[i.element])}
    room = [by_id[target.element] for target in question.targets]
    if len(sizes) > 1 and len({(round(e.w), round(e.h)) for e in room}) > 1 and all(
        any(_same_size(by_id[item.element], by_id[t.element]) for t in question.targets
            if t.id in item.to)
        for item in question.items if item.to
    ):
        yield "warning", "size_gives_away", "shows by its sizes what belongs where"


def _same_size(a: Element, b: Element) -> bool:
    return abs(a.w - b.w) < 4 and abs(a.h - b.h) < 4


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


def _table(question: q.Question) -> Iterator[Problem]:
    """Rows that no combination reaches, since one above takes them all."""
    for n, row in enumerate(question.table):
        cells = {(c.part, c.value): c.given for c in row.cells}
        for above in question.table[:n]:
            asked = {(c.part, c.value): c.given for c in above.cells}
            if asked.items() <= cells.items() and above.at_least <= row.at_least:
                yield "warning", "row_never_applies", f"has a row {n + 1} that never applies"
                break
    judged = question.purpose != "survey" and question.kind not in ("open_answer", "rating_scale")
    if question.attempts == 1 and judged and plain(question.feedback.wrong):
        yield "warning", "never_said", "says words for a second try, but there is one try only"
