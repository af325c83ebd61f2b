"""Slides made of questions that were written down."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from zigzag_core.course import (
    Block,
    Button,
    Course,
    Element,
    IdSource,
    RichText,
    Slide,
    Text,
    TextRun,
    rich,
)
from zigzag_core.course.document import Section
from zigzag_core.course.layouts.shipped import TITLE_ONLY
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.questions.following import with_defaults
from zigzag_core.course.questions.new_questions import Maker, common, new_question
from zigzag_core.course.questions.settings import SETTINGS, Setting
from zigzag_core.course.quizzes import QuestionSet
from zigzag_core.course.sections import slides_by_section
from zigzag_core.course.text.rich_text import BlankRun, with_values
from zigzag_core.errors import TooLong
from zigzag_core.words import Say, say_english

from ..layouts.following import slide_from, with_layout
from .written import Written, accepted_in, blanks_in

_LOWEST = 616.0
"""Answers end above this (px), so that the button has its place."""
_ONE_COLUMN = 6
MOST_SLIDES, MOST_SETS, MOST_IN_A_SET = 5_000, 50, 500
"""As many as the models of a course, a quiz and a set hold."""
_LONGEST_TITLE = 80


@dataclass(frozen=True)
class Planted:
    """A course with new slides, in its order and in the sets of the quiz that they came into."""

    course: Course
    slides: tuple[Slide, ...]


def plant_questions(
    course: Course, written: Sequence[Written], after: str | None, fresh: IdSource,
    section: str | None = None, say: Say = say_english,
) -> Planted:
    """Return `course` with a slide for each question, behind the slide `after`.

    With a `section` that is a quiz they come behind the last slide of its sets, and into the set
    that each names, else into its last one; they follow its defaults in what was not written. None
    as `after` puts them at the end. `say` gives the words that are not written, in the course's
    language. Raises `TooLong` where the course, the quiz or one of its sets would get more than
    they hold.
    """
    course, layout = with_layout(course, TITLE_ONLY)
    found = next((one for one in course.sections if one.id == section), None)
    defaults = found.quiz.defaults if found is not None and found.quiz is not None else None
    slides = tuple(with_defaults(
        _slide(one, slide_from(layout, course, "", fresh), course, fresh, say), defaults)
        for one in written)
    names = tuple(slide.id for slide in slides)
    if found is None or found.quiz is None:
        return Planted(_with_order(course, names, after), slides)
    quiz = found.quiz.model_copy(update={
        "sets": _with_slides(found.quiz.sets, written, names, fresh, say)})
    return Planted(
        into_quiz(course, found.model_copy(update={"quiz": quiz}), names, after), slides)


def into_quiz(
    course: Course, section: Section, slides: Sequence[str], after: str | None = None
) -> Course:
    """Return `course` with new slides behind the last of the sets of a quiz.

    `section` is the quiz as it is to be: its sets have the slides already. One that has no slides
    begins with them, behind `after`. Raises `TooLong` as `plant_questions` does.
    """
    quiz = section.quiz
    if quiz is not None and (
            len(quiz.sets) > MOST_SETS or any(len(s.slides) > MOST_IN_A_SET for s in quiz.sets)):
        raise TooLong(f"A quiz has {MOST_SETS} sets at most, and a set {MOST_IN_A_SET} slides. "
                      "Nothing was made.")
    own = next(own for one, own in slides_by_section(course.slides, course.sections)
               if one is not None and one.id == section.id)
    grown = _with_order(course, slides, _last_of_sets(course, section.id) or after)
    now = section if own else section.model_copy(update={"before": slides[0]})
    return grown.model_copy(update={"sections": tuple(
        now if one.id == section.id else one for one in course.sections)})


def _with_order(course: Course, slides: Sequence[str], after: str | None) -> Course:
    """The course with new slides behind the slide `after`, or at its end."""
    if len(course.slides) + len(slides) > MOST_SLIDES:
        raise TooLong(f"A course has {MOST_SLIDES:,} slides at most. Nothing was made.")
    at = course.slides.index(after) + 1 if after in course.slides else len(course.slides)
    return course.model_copy(update={
        "slides": (*course.slides[:at], *slides, *course.slides[at:])})


def _last_of_sets(course: Course, section: str) -> str | None:
    """The last slide of the sets of a quiz, in the course; of one without, its last slide."""
    for one, own in slides_by_section(course.slides, course.sections):
        if one is not None and one.id == section and one.quiz is not None and own:
            inside = {slide for each in one.quiz.sets for slide in each.slides}
            beside = [slide for slide in own if slide not in one.quiz.outcomes]
            return next((slide for slide in reversed(own) if slide in inside),
                        beside[-1] if beside else None)
    return None


def _with_slides(
    sets: tuple[QuestionSet, ...], written: Sequence[Written], names: Sequence[str],
    fresh: IdSource, say: Say,
) -> tuple[QuestionSet, ...]:
    into: dict[str, list[str]] = {}
    usual = sets[-1].name if sets else say("set")
    for one, name in zip(written, names, strict=True):
        into.setdefault(one.set or usual, []).append(name)
    known = {one.name.lower() for one in sets}
    made = [one.model_copy(update={"slides": (*one.slides, *(
        name for words, those in into.items() if words.lower() == one.name.lower()
        for name in those))}) for one in sets]
    fresh_sets = {words.lower(): words for words in into if words.lower() not in known}
    return (*made, *(QuestionSet(id=fresh(), name=words, slides=tuple(
        name for other, those in into.items() if other.lower() == key for name in those))
        for key, words in fresh_sets.items()))


def _slide(written: Written, slide: Slide, course: Course, fresh: IdSource, say: Say) -> Slide:
    if written.sample:
        elements, question = new_question(written.sample, fresh, course.styles, say)
        return _filled(slide, written, elements, question, say)
    make = Maker(fresh, course.styles, say)
    kind = written.kind or "single_choice"
    is_blanks = kind == "blanks"
    prompt = make.put(Text(
        id=fresh(), name="Question", x=make.left, y=make.top, w=make.width, h=64, level="heading",
        text=rich(say("ask_blanks") if is_blanks else written.prompt),
        **make.follow("heading", size=34, text_colour="ink", fit="shrink")))
    question = _BUILD[kind](make, written)
    bottom = max(element.y + element.h for element in make.elements)
    submit = make.put(Button(
        id=fresh(), name="Submit", label=say("submit"), x=make.left, y=min(bottom + 24, 640),
        w=200, h=68, **make.follow("button")))
    question = question.model_copy(update={
        "name": DESCRIPTORS[kind].name, "prompt": prompt.id, "submit": submit.id,
        "points": written.points, "feedback": _feedback(question, written),
        "follows": tuple(one for one in SETTINGS if one not in _own(question, written))})
    return _filled(slide, written, make.elements, question, say)


def _filled(
    slide: Slide, written: Written, elements: Sequence[Element], question: q.Question, say: Say
) -> Slide:
    asked = say(f"ask_{written.sample}") if written.sample else written.prompt
    plain = "".join(blanks_in(asked)).replace("\n", " ")
    title = plain if len(plain) <= _LONGEST_TITLE else plain[:_LONGEST_TITLE - 1].rstrip() + "…"
    return slide.model_copy(update={
        "title": title, "level": written.level, "tags": written.tags, "questions": (question,),
        "elements": (*(_numbered(e, say) for e in slide.elements), *elements)})


def _numbered(element: Element, say: Say) -> Element:
    """The title of a slide says which question it is, as the learner gets them."""
    if not isinstance(element, Text) or element.level != "title":
        return element
    words = with_values(say("question_of"), {"n": "question_number", "count": "question_count"})
    return element.model_copy(update={"text": RichText(blocks=(words,))})


def _own(question: q.Question, written: Written) -> set[Setting]:
    """What was written of the question itself, or suits its kind, and follows no default."""
    usual = Written(line=0)
    own: set[Setting] = set()
    if "partial" not in question.follows:
        own.add("partial")
    if written.points != usual.points:
        own.add("points")
    if written.attempts != usual.attempts or question.kind == "true_false":
        own.add("attempts")
    if written.said_right:
        own.add("right")
    if written.said_wrong:
        own.update({"wrong", "last"})
    return own


def _feedback(question: q.Question, written: Written) -> f.Feedback:
    said = question.feedback
    if written.said_right:
        said = said.model_copy(update={"right": rich(written.said_right)})
    if written.said_wrong:
        words = rich(written.said_wrong)
        said = said.model_copy(update={"last": words, **(
            {"wrong": words} if written.attempts != 1 else {})})
    return said


def _answers(make: Maker, words: Sequence[str], name: str = "Answer") -> list[Element]:
    """Answers below each other, in two columns where there are many; words shrink to fit."""
    columns = 1 if len(words) < _ONE_COLUMN else 2
    rows = math.ceil(len(words) / columns)
    top = make.top + make.below_prompt
    step = min(92.0, (_LOWEST - top) / max(rows, 1))
    w = make.width if columns == 1 else (make.width - 24) / 2
    return [
        make.put(Text(
            id=make.fresh(), name=f"{name} {n + 1}", x=make.left + (n // rows) * (w + 24),
            y=round(top + (n % rows) * step), w=w, h=round(step - min(16, step / 5)),
            text=rich(text), **make.follow("answer", fit="shrink")))
        for n, text in enumerate(words)]


def _choice(make: Maker, written: Written) -> q.Question:
    elements = _answers(make, [words for words, _ in written.answers])
    choices = tuple(
        q.Choice(id=make.fresh(), element=element.id, right=right)
        for element, (_, right) in zip(elements, written.answers, strict=True))
    if written.kind == "multiple_response":
        return q.MultipleResponse(
            **common(make, partial="right_minus_wrong", attempts=written.attempts), shuffle=True,
            choices=choices)
    return q.SingleChoice(
        **common(make, attempts=written.attempts), shuffle=True, choices=choices)


def _truth(make: Maker, written: Written) -> q.Question:
    top = make.top + make.below_prompt
    elements = [make.text(words.capitalize(), make.say(words), make.left + 304 * n, top, 280)
                for n, (words, _) in enumerate(written.answers)]
    return q.TrueFalse(**common(make, attempts=1), choices=tuple(
        q.Choice(id=make.fresh(), element=element.id, right=right)
        for element, (_, right) in zip(elements, written.answers, strict=True)))


def _blanks(make: Maker, written: Written) -> q.Question:
    blanks: list[q.Blank] = []
    blocks: list[Block] = []
    for line in written.prompt.split("\n"):
        runs: list[TextRun | BlankRun] = []
        for place, piece in enumerate(blanks_in(line)):
            if place % 2:
                accepts = q.Accepts(words=accepted_in(piece))
                blanks.append(q.Blank(id=make.fresh(), accepts=accepts))
                runs.append(BlankRun(blank=blanks[-1].id))
            elif piece:
                runs.append(TextRun(text=piece))
        blocks.append(Block(runs=tuple(runs)))
    text = make.put(Text(
        id=make.fresh(), name="Text with blanks", x=make.left, y=make.top + make.below_prompt,
        w=make.width, h=240, text=RichText(blocks=tuple(blocks)), **make.follow("text", size=28)))
    return q.FillBlanks(**common(make, partial="right_parts", attempts=written.attempts),
                        text=text.id, blanks=tuple(blanks))


def _short(make: Maker, written: Written) -> q.Question:
    field = make.field("text", "Field", make.top + make.below_prompt)
    return q.ShortText(**common(make, attempts=written.attempts), field=field.id,
                       accepts=q.Accepts(words=written.right))


def _numeric(make: Maker, written: Written) -> q.Question:
    field = make.field("text", "Field", make.top + make.below_prompt, w=320)
    value, off = written.number or (0.0, 0.0)
    return q.Numeric(**common(make, attempts=written.attempts), field=field.id,
                     accepts=q.Accepts(near=(q.Near(value=value, off=off),)))


def _matching(make: Maker, written: Written) -> q.Question:
    top, count = make.top + make.below_prompt, len(written.pairs)
    step = min(92.0, (_LOWEST - top) / count)
    h = round(step - min(16, step / 5))

    def column(words: Sequence[str], x: float, name: str) -> list[Element]:
        return [make.put(Text(
            id=make.fresh(), name=f"{name} {n + 1}", x=x, y=round(top + n * step), w=520, h=h,
            text=rich(text), **make.follow("answer", fit="shrink")))
            for n, text in enumerate(words)]

    items = column([item for item, _ in written.pairs], make.left, "Item")
    # Each partner stands a place further on, or the places would give it away.
    turned = [written.pairs[(n - 1) % count][1] for n in range(count)]
    targets = tuple(q.Target(id=make.fresh(), element=element.id)
                    for element in column(turned, make.left + 600, "Partner"))
    return q.Matching(
        **common(make, partial="right_parts", attempts=written.attempts), targets=targets,
        items=tuple(q.Item(id=make.fresh(), element=element.id, to=(targets[(n + 1) % count].id,))
                    for n, element in enumerate(items)))


def _ordering(make: Maker, written: Written) -> q.Question:
    steps = _answers(make, [words for words, _ in written.answers], "Step")
    return q.Ordering(**common(make, attempts=written.attempts), items=tuple(
        q.InOrder(id=make.fresh(), element=step.id) for step in steps))


def _open(make: Maker, written: Written) -> q.Question:
    field = make.field(
        "long", "Field", make.top + make.below_prompt, h=240, w=make.width)
    return q.OpenAnswer(
        id=make.fresh(), name="Question", purpose="practice", attempts=1, field=field.id,
        feedback=f.Feedback(answered=rich(make.say("new_sent"))))


_BUILD = {
    "single_choice": _choice, "multiple_response": _choice, "true_false": _truth,
    "blanks": _blanks, "short_text": _short, "numeric": _numeric, "matching": _matching,
    "ordering": _ordering, "open_answer": _open,
}
