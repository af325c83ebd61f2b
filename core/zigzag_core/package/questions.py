"""Questions become graders, elements that answer, and panels that say what came of it."""

import re
from collections.abc import Callable, Iterator
from typing import Any

from zigzag_core.course import Button, Element, Input, RichText, Shape, Slide, Text, plain
from zigzag_core.course import questions as q
from zigzag_core.course.style import Style
from zigzag_core.program import (
    Choose,
    CloseOverlay,
    Enter,
    Expire,
    Go,
    Grader,
    GraderPart,
    GraderRow,
    GraderTarget,
    OpenOverlay,
    ProgramElement,
    ProgramOverlay,
    ProgramRule,
    Reset,
    Submit,
)

Changes = dict[str, Any]
"""What an element gets by being a part of a question; `rules` come before its own."""

_FORMS: dict[str, Any] = {
    "single_choice": "choose", "multiple_response": "choose", "true_false": "choose",
    "blanks": "texts", "short_text": "texts", "numeric": "texts", "matching": "pairs",
    "drag_to_target": "pairs", "ordering": "order", "hotspot": "spots", "open_answer": "free",
    "rating_scale": "scale",
}
_CHOOSING = (q.SingleChoice, q.MultipleResponse, q.TrueFalse)
_FIELDS = (q.ShortText, q.Numeric, q.OpenAnswer)


def spoken(element: Element) -> str:
    """Return what an element says: its text, its label, its text alternative, or its name."""
    if isinstance(element, Text):
        return plain(element.text) or element.name
    if isinstance(element, Button | Input):
        return element.label or element.name
    if isinstance(element, Shape):
        return element.alt or plain(element.text) or element.name
    return element.alt or element.name


def grader_of(slide: Slide, question: q.Question) -> Grader:
    """Return how `question` is judged."""
    by_id = {element.id: element for element in slide.elements}
    prompt = by_id.get(question.prompt or "")
    choosing = isinstance(question, _CHOOSING)
    return Grader(
        id=question.id, slide=slide.id, name=question.name, record=_record_name(question),
        prompt=spoken(prompt) if prompt else question.name, kind=question.kind,
        form=_FORMS[question.kind], purpose=question.purpose,
        parts=tuple(_parts(question, by_id)),
        targets=tuple(
            GraderTarget(id=t.id, element=t.element, words=spoken(by_id[t.element]), takes=t.takes)
            for t in getattr(question, "targets", ())
        ),
        rows=tuple(
            GraderRow(condition=_row_condition(question, row), points=row.points)
            for row in question.table
        ),
        points=question.points, penalty=question.penalty, floor=question.floor,
        partial=question.partial, attempts=question.attempts, attempt_loss=question.attempt_loss,
        at_least=getattr(question, "at_least", 1),
        at_most=1 if choosing and question.kind != "multiple_response"
        else getattr(question, "at_most", getattr(question, "clicks", None)),
        needed=getattr(question, "needed", None), counts=getattr(question, "counts", "all"),
        arrange="line" if question.kind == "matching" else getattr(question, "arrange", "snap"),
        time_limit=question.time_limit, at_once=question.judged == "at_once",
        show_right=question.show_right, shuffle=getattr(question, "shuffle", False),
        pinned=tuple(c.id for c in question.choices if c.pinned) if choosing else (),
    )


def _parts(question: q.Question, by_id: dict[str, Element]) -> Iterator[GraderPart]:
    match question:
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse():
            for choice in question.choices:
                yield GraderPart(
                    id=choice.id, element=choice.element, words=spoken(by_id[choice.element]),
                    right=("",) if choice.right else (), points=choice.points,
                )
        case q.Matching() | q.DragToTarget():
            for item in question.items:
                yield GraderPart(
                    id=item.id, element=item.element, words=spoken(by_id[item.element]),
                    right=item.to, endless=item.endless,
                )
        case q.Ordering():
            for thing in question.items:
                yield GraderPart(
                    id=thing.id, element=thing.element, words=spoken(by_id[thing.element]))
        case q.Hotspot():
            for spot in question.spots:
                yield GraderPart(
                    id=spot.id, element=spot.element, words=spoken(by_id[spot.element]),
                    right=("",) if spot.right else (),
                )
        case q.RatingScale():
            for row in question.rows:
                yield GraderPart(
                    id=row.id, element=row.element, words=spoken(by_id[row.element]))
        case q.FillBlanks():
            bank = tuple(sorted({
                word for blank in question.blanks if blank.how == "bank"
                for word in (*blank.accepts.words[:1], *blank.others)
            }, key=str.lower))
            for number, blank in enumerate(question.blanks, 1):
                own = tuple(sorted({*blank.accepts.words[:1], *blank.others}, key=str.lower))
                options = bank if blank.how == "bank" else own if blank.how == "list" else ()
                yield GraderPart(
                    id=blank.id, element=question.text, words=f"Blank {number}",
                    accepts=blank.accepts, how=blank.how, options=options,
                )
        case q.ShortText() | q.Numeric():
            yield GraderPart(id=field_part(question), element=question.field,
                             words=question.name, accepts=question.accepts)
        case q.OpenAnswer():
            yield GraderPart(id=field_part(question), element=question.field, words=question.name)


def field_part(question: q.ShortText | q.Numeric | q.OpenAnswer) -> str:
    """Return the name of the one part of a question that is answered in a field."""
    return question.field or question.id


def _row_condition(question: q.Question, row: q.AnswerRow) -> Any:
    tests: list[Any] = []
    for cell in row.cells:
        given = ["given", question.id, cell.part]
        test = given if cell.value is None else ["=", given, cell.value]
        tests.append(test if cell.given else ["not", test])
    if row.at_least:
        parts = [part.id for part in getattr(question, "choices", getattr(question, "spots", ()))]
        tests.append([">=", ["+", 0, *(["if", ["given", question.id, p], 1, 0] for p in parts)],
                      row.at_least])
    return ["and", *tests] if tests else True


def _record_name(question: q.Question) -> str:
    """A readable identifier in the characters that every tracking standard takes."""
    words = re.sub(r"[^a-z0-9]+", "-", question.name.lower()).strip("-")[:60]
    return f"{words}_{question.id}" if words else question.id


def roles_of(question: q.Question) -> dict[str, Changes]:
    """Return, by element id, what the parts of `question` become in the program."""
    name = question.id
    open_ = ["not", ["locked", name]]
    roles: dict[str, Changes] = {}

    def part(element: str, control: str, part_id: str) -> None:
        roles[element] = {
            "control": control, "question": name, "choice": part_id, "enabled": open_,
        }

    for choice in getattr(question, "choices", ()):
        part(choice.element, "choice", choice.id)
        roles[choice.element]["rules"] = (_rule(
            f"{choice.id}_choose", "clicked", choice.element,
            Choose(question=name, choice=choice.id)),)
    for item in getattr(question, "items", ()):
        part(item.element, "ranked" if question.kind == "ordering" else "item", item.id)
    for target in getattr(question, "targets", ()):
        part(target.element, "target", target.id)
    for row in getattr(question, "rows", ()):
        part(row.element, "field", row.id)
    for spot in getattr(question, "spots", ()):
        part(spot.element, "spot", spot.id)
    if isinstance(question, q.Hotspot) and question.on:
        part(question.on, "ground", name)
    if isinstance(question, _FIELDS) and question.field:
        part(question.field, "field", field_part(question))
    if isinstance(question, q.FillBlanks) and question.text:
        part(question.text, "blanks", name)
    if question.submit:
        roles[question.submit] = {
            "control": "button", "question": name, "enabled": ["and", ["chosen", name], open_],
            "rules": (_rule(f"{name}_submit", "clicked", question.submit, Submit(question=name)),),
        }
    if question.reset:
        roles[question.reset] = {
            "control": "button", "question": name, "enabled": ["chosen", name],
            "rules": (_rule(f"{name}_reset", "clicked", question.reset, Reset(question=name)),),
        }
    return roles


def _rule(name: str, event: Any, target: str, *then: Any, condition: Any = True) -> ProgramRule:
    return ProgramRule(id=name, on=event, target=target, block=True, condition=condition, then=then)


def slide_rules(question: q.Question, slide: Slide) -> tuple[ProgramRule, ...]:
    """Return what the slide itself does for `question`: time, leaving, what follows its rows."""
    name, rules = question.id, []
    if question.time_limit:
        rules.append(_rule(f"{name}_time", "timer", slide.id, Expire(question=name)).model_copy(
            update={"after": question.time_limit * 1_000}))
    if question.judged == "leaving":
        rules.append(_rule(f"{name}_leaving", "slide_left", slide.id, Submit(question=name)))
    if not question.keeps:
        rules.append(_rule(f"{name}_forget", "slide_left", slide.id, Reset(question=name),
                           condition=["not", ["locked", name]]))
    return tuple(rules)


_OUTCOMES = (
    ("right", "answered_right", "right", "Right", "Continue"),
    ("partly", "answered_partly", "partly", "Partly right", "Try again"),
    ("wrong", "answered_wrong", "wrong", "Not right yet", "Try again"),
    ("last", "answered_last", "wrong", "Not right", "Continue"),
    ("time_up", "time_up", "wrong", "Time is up", "Continue"),
    ("answered", "answered", "plain", "Thank you", "Continue"),
)
_WORDS_STYLE = Style(size=24)
_CLOSE_STYLE = Style(
    fill="#1e5b4b", text_colour="#ffffff", size=24, bold=True, radius=8, align="center",
    valign="middle",
)


def feedback(
    question: q.Question, title_of: Callable[[str], str]
) -> list[tuple[ProgramOverlay, ProgramRule]]:
    """Return the panel that opens after each outcome, and the rule that opens it.

    A survey has a panel only where there are words for what was answered. `title_of` gives the
    titles of slides.
    """
    found = []
    for outcome, event, tone, title, button in _OUTCOMES:
        if outcome in ("partly", "wrong") and question.attempts == 1:
            continue
        if outcome == "partly" and not _can_be_partly(question):
            continue
        if outcome == "time_up" and not question.time_limit:
            continue
        neutral = question.purpose == "survey" or question.kind in ("open_answer", "rating_scale")
        if neutral != (outcome == "answered"):
            continue
        name = f"{question.id}_{outcome}"
        final = button == "Continue"
        texts = list(_words(question, outcome))
        if neutral and not texts:
            continue
        panel = _panel(question, name, title, button, tone, texts, final, title_of)
        found.append((panel, _rule(f"{name}_open", event, question.id, OpenOverlay(overlay=name))))
    return found


def _can_be_partly(question: q.Question) -> bool:
    return question.kind not in ("single_choice", "true_false", "short_text", "numeric")


def _words(question: q.Question, outcome: str) -> Iterator[tuple[RichText, Any]]:
    """The words of a panel, each with the condition under which they are said."""
    for number, row in enumerate(question.table, 1):
        if plain(row.words):
            yield row.words, ["=", ["row", question.id], number]
    told = [n for n, row in enumerate(question.table, 1) if plain(row.words)]
    words = RichText() if outcome == "answered" else getattr(question.feedback, outcome)
    if outcome == "partly" and not plain(words):
        words = question.feedback.wrong
    if plain(words):
        yield words, ["not", ["or", *(["=", ["row", question.id], n] for n in told)]] \
            if told else True
    for part in (*getattr(question, "choices", ()), *getattr(question, "spots", ())):
        if plain(part.says):
            yield part.says, ["given", question.id, part.id]
    for item in getattr(question, "items", ()):
        says = getattr(item, "says", RichText())
        if plain(says):
            placed = ["given", question.id, item.id]
            right = [["=", placed, target] for target in item.to]
            wrong = ["not", ["or", *right]] if right else ["!=", placed, ""]
            yield says, wrong
    model = getattr(question, "model", RichText())
    if outcome == "answered" and plain(model):
        yield model, True


def _panel(
    question: q.Question, name: str, title: str, button: str, tone: Any,
    texts: list[tuple[RichText, Any]], final: bool, title_of: Callable[[str], str],
) -> ProgramOverlay:
    part = name.replace("_", "")
    elements = [
        ProgramElement(
            draw=Text(id=f"{part}b{n or ''}", name="Feedback", text=words, style=_WORDS_STYLE),
            visible=condition,
        )
        for n, (words, condition) in enumerate(texts)
    ]
    again = question.feedback.read_again
    if again and tone in ("wrong", "partly"):
        elements.append(_button(f"{part}r", f"Read again: {title_of(again)}", (
            CloseOverlay(overlay=name), Go(to="slide", slide=again))))
    elements.append(_button(f"{part}c", button, (
        CloseOverlay(overlay=name), *(_after(question) if final else ()))))
    return ProgramOverlay(id=name, title=title, tone=tone, elements=tuple(elements))


def _after(question: q.Question) -> tuple[Any, ...]:
    """What follows when it is over and the panel is closed."""
    if question.after == "next":
        return (Go(to="next"),)
    if question.after == "again" and question.again_from:
        return (Reset(question=question.id), Enter(slide=question.again_from))
    return ()


def _button(name: str, label: str, then: tuple[Any, ...]) -> ProgramElement:
    draw = Button(id=name, name=label, label=label, w=200, h=56, style=_CLOSE_STYLE)
    return ProgramElement(draw=draw, control="button", rules=(
        _rule(f"{name}_close", "clicked", name, *then),))
