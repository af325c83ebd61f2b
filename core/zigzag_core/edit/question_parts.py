"""Questions made from what is on a slide, turned into other kinds, and given more parts."""

from collections.abc import Sequence
from typing import Any

from zigzag_core.course import Area, Button, Element, IdSource, Input, Shape, Slide, Text
from zigzag_core.course import questions as q
from zigzag_core.course.new_questions import QUESTION_KINDS, QuestionKind
from zigzag_core.course.text import rich
from zigzag_core.course.theme import NamedStyle
from zigzag_core.course.usual_styles import USUAL_STYLES, usual

from .copying import Clipping, paste
from .geometry import around, box_of
from .names import free_name


class CannotAsk(ValueError):
    """No such question can be made of this; the message says why, for people."""


_KINDS: dict[str, type[q.QuestionBase]] = {
    "single_choice": q.SingleChoice, "multiple_response": q.MultipleResponse,
    "true_false": q.TrueFalse, "blanks": q.FillBlanks, "short_text": q.ShortText,
    "numeric": q.Numeric, "matching": q.Matching, "ordering": q.Ordering,
    "drag_to_target": q.DragToTarget, "hotspot": q.Hotspot, "open_answer": q.OpenAnswer,
    "rating_scale": q.RatingScale,
}
_FAMILIES: tuple[tuple[QuestionKind, ...], ...] = (
    ("single_choice", "multiple_response", "true_false", "ordering"),
    ("matching", "drag_to_target"),
    ("short_text", "numeric", "open_answer"),
)


def kinds_from(kind: str) -> tuple[QuestionKind, ...]:
    """Return the kinds that a question of `kind` can be turned into with its parts."""
    return tuple(
        other for family in _FAMILIES if kind in family for other in family if other != kind
    )


def converted(slide: Slide, question: str, kind: QuestionKind) -> Slide:
    """Return `slide` with one of its questions turned into another kind, its parts kept.

    What is right stays right as far as the kind can say it. Raises `CannotAsk` for kinds whose
    parts are others.
    """
    old = _question(slide, question)
    if kind not in kinds_from(old.kind):
        raise CannotAsk("A question of this kind has other parts; make a new one instead.")
    common = {name: getattr(old, name) for name in q.QuestionBase.model_fields}
    new = _KINDS[kind](**common, **_kept(old, kind))
    return _with(slide, new)


def _kept(old: q.Question, kind: QuestionKind) -> dict[str, Any]:
    match old:
        case q.Ordering():
            first = old.items[:2] if kind == "true_false" else old.items
            return {"choices": tuple(
                q.Choice(id=item.id, element=item.element, right=n == 0)
                for n, item in enumerate(first))}
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse():
            if kind == "ordering":
                return {"items": tuple(
                    q.InOrder(id=c.id, element=c.element) for c in old.choices)}
            choices = old.choices[:2] if kind == "true_false" else old.choices
            if kind != "multiple_response":
                first = next((n for n, c in enumerate(choices) if c.right), 0)
                choices = tuple(
                    c.model_copy(update={"right": n == first}) for n, c in enumerate(choices))
            return {"choices": choices}
        case q.Matching() | q.DragToTarget():
            return {"items": old.items, "targets": old.targets}
        case q.ShortText() | q.Numeric():
            keeps = {"field": old.field}
            return keeps if kind == "open_answer" else {**keeps, "accepts": old.accepts}
        case q.OpenAnswer():
            return {"field": old.field}
    return {}


def question_from(
    slide: Slide, ids: Sequence[str], kind: QuestionKind, fresh: IdSource,
    styles: tuple[NamedStyle, ...] = USUAL_STYLES,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with a question of which the elements `ids` are the parts, and a button.

    A title or heading among them asks it. For *matching* and *drag to target* shapes and areas
    are the targets where there are both, else what lies in the right half. Raises `CannotAsk`
    where they are not such parts.
    """
    taken = {element for other in slide.questions for element in q.part_elements(other)}
    chosen = [e for e in slide.elements if e.id in set(ids)]
    if any(e.id in taken for e in chosen):
        raise CannotAsk("Something of this is part of a question already.")
    prompt = next((e for e in chosen if isinstance(e, Text) and e.level != "body"), None)
    parts = [e for e in chosen if e is not prompt and e.kind != "group"]
    if not parts:
        raise CannotAsk("Select what the answers are first.")
    name = free_name(kind.replace("_", " ").capitalize(), {o.name for o in slide.questions})
    frame = around(box_of(e) for e in chosen)
    named = usual("button", styles)
    submit = Button(
        id=fresh(), name="Submit", label="Submit", x=frame.x, y=min(frame.bottom + 24, 640), w=200,
        h=68, z=max(e.z for e in slide.elements) + 1, named_style=named.id, style=named.style,
        looks=named.looks, overlay=chosen[0].overlay,
    )
    survey = {"purpose": "survey"} if kind == "rating_scale" else {}
    question = _KINDS[kind](
        id=fresh(), name=name, prompt=prompt.id if prompt else None, submit=submit.id, attempts=2,
        **survey, **_parts_of(kind, parts, fresh),
    )
    grown = slide.model_copy(update={"elements": (*slide.elements, submit)})
    return Slide.model_validate(_with(grown, question).model_dump()), (submit.id,)


def _parts_of(kind: QuestionKind, parts: list[Element], fresh: IdSource) -> dict[str, Any]:
    if kind in ("single_choice", "multiple_response", "true_false"):
        most = 2 if kind == "true_false" else 26
        if not 2 <= len(parts) <= most:
            raise CannotAsk("Select the answers: two of them, or more where there may be more.")
        return {"choices": tuple(
            q.Choice(id=fresh(), element=e.id, right=n == 0) for n, e in enumerate(parts))}
    if kind == "ordering":
        return {"items": tuple(q.InOrder(id=fresh(), element=e.id) for e in parts)}
    if kind in ("matching", "drag_to_target"):
        return _pairs(parts, fresh)
    if kind == "hotspot":
        spots = [e for e in parts if isinstance(e, Area)]
        ground = next((e for e in parts if e.kind in ("picture", "video")), None)
        if not spots:
            raise CannotAsk("Select the areas to be clicked, and the picture that they are on.")
        return {"on": ground.id if ground else None, "spots": tuple(
            q.Spot(id=fresh(), element=e.id) for e in spots)}
    inputs = [e for e in parts if isinstance(e, Input)]
    if kind == "rating_scale" and inputs:
        return {"rows": tuple(q.Row(id=fresh(), element=e.id) for e in inputs)}
    if kind == "blanks" and isinstance(parts[0], Text):
        return {"text": parts[0].id}
    if kind in ("short_text", "numeric", "open_answer") and inputs:
        return {"field": inputs[0].id}
    raise CannotAsk("Select an input for it; for blanks, a text.")


def _pairs(parts: list[Element], fresh: IdSource) -> dict[str, Any]:
    boxes = [e for e in parts if isinstance(e, Shape | Area)]
    if not boxes or len(boxes) == len(parts):
        middle = around(box_of(e) for e in parts).middle[0]
        boxes = [e for e in parts if box_of(e).middle[0] > middle]
    items = [e for e in parts if e not in boxes]
    if not items or not boxes:
        raise CannotAsk("Select both: the things, and what they are put on.")
    targets = tuple(q.Target(id=fresh(), element=e.id) for e in boxes)
    one_to_one = len(items) <= len(targets)
    if not one_to_one:
        targets = tuple(t.model_copy(update={"takes": None}) for t in targets)
    return {"targets": targets, "items": tuple(
        q.Item(id=fresh(), element=e.id, to=(targets[n].id,) if one_to_one else ())
        for n, e in enumerate(items))}


_NEW_PART: dict[str, Any] = {
    "choices": q.Choice, "targets": q.Target, "spots": q.Spot, "rows": q.Row,
}


def with_parts(
    slide: Slide, question: str, where: str, words: Sequence[str], fresh: IdSource
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with more parts in the list `where` of a question, one for each of `words`.

    Each looks like the last one and stands as far from it as that from the one before. Returns
    the new elements, too. Raises `CannotAsk` where there is no such list or nothing in it.
    """
    asked = _question(slide, question)
    parts = getattr(asked, where, ()) if where in q.PART_LISTS else ()
    if not parts:
        raise CannotAsk("There is no part yet that another could look like.")
    by_id = {e.id: e for e in slide.elements}
    boxes = [by_id[part.element] for part in parts]
    last = boxes[-1]
    dx, dy = 0.0, last.h + 16
    if len(boxes) > 1 and (last.x, last.y) != (boxes[-2].x, boxes[-2].y):
        dx, dy = last.x - boxes[-2].x, last.y - boxes[-2].y
    made: list[str] = []
    for n, text in enumerate(words, 1):
        slide, (copy,) = paste(slide, Clipping(elements=(last,)), fresh, dx * n, dy * n)
        made.append(copy)
        elements = [_saying(e, text) if e.id == copy else e for e in slide.elements]
        fresh_one = elements.pop(next(i for i, e in enumerate(elements) if e.id == copy))
        after = made[-2] if n > 1 else last.id
        elements.insert(next(i for i, e in enumerate(elements) if e.id == after) + 1, fresh_one)
        slide = slide.model_copy(update={"elements": tuple(elements)})
    make = _NEW_PART.get(where) or (q.InOrder if isinstance(asked, q.Ordering) else q.Item)
    more = tuple(make(id=fresh(), element=element) for element in made)
    grown = asked.model_copy(update={where: (*parts, *more)})
    return Slide.model_validate(_with(slide, grown).model_dump()), tuple(made)


def _saying(element: Element, words: str) -> Element:
    match element:
        case Text() | Shape():
            return element.model_copy(update={"text": rich(words), "name": words[:60] or "Answer"})
        case Button() | Input():
            return element.model_copy(update={"label": words})
    return element.model_copy(update={"alt": words})


def _question(slide: Slide, name: str) -> q.Question:
    found = next((other for other in slide.questions if other.id == name), None)
    if found is None:
        raise CannotAsk("The question is no longer on the slide.")
    return found


def _with(slide: Slide, question: Any) -> Slide:
    others = [question if other.id == question.id else other for other in slide.questions]
    if question not in others:
        others.append(question)
    return slide.model_copy(update={"questions": tuple(others)})


assert set(_KINDS) == set(QUESTION_KINDS)
