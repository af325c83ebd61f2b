"""Questions made of what is on a slide: all of it, or one part more."""

from collections.abc import Sequence
from typing import Any, Literal

from zigzag_core.course import Area, Button, Element, Group, IdSource, Input, Slide, Text
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import DESCRIPTORS, QuestionKind
from zigzag_core.course.style.theme import NamedStyle
from zigzag_core.course.style.usual_styles import USUAL_STYLES, usual
from zigzag_core.errors import CannotAsk
from zigzag_core.words import Say, say_english

from ..arranging.groups import outermost
from ..names import free_name
from .parts import asked_on, check_room, part_of, with_question
from .roles import Roles, roles_of


def question_from(
    slide: Slide, ids: Sequence[str], kind: QuestionKind, fresh: IdSource,
    styles: tuple[NamedStyle, ...] = USUAL_STYLES, roles: Roles | None = None,
    say: Say = say_english,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with a question of which the elements `ids` are the parts, and a button.

    A title or heading among them asks it. A group is one part; one alone stands for its members.
    For *matching* and *drag to target* the elements have the `roles` given, else those that
    `roles_of` finds. `say` gives the words of the button. Raises `CannotAsk` where they
    are not such parts.
    """
    taken = {element for other in slide.questions for element in q.part_elements(other)}
    chosen = _chosen(slide, ids)
    if any(e.id in taken for e in chosen):
        raise CannotAsk("Something of this is part of a question already.")
    prompt = _prompt(chosen)
    parts = _answering(chosen)
    if not parts:
        raise CannotAsk("Select what the answers are first.")
    name = free_name(kind.replace("_", " ").capitalize(), {o.name for o in slide.questions})
    frame = around(box_of(e) for e in chosen)
    submit = _button(
        slide, "Submit", say("submit"), Box(frame.x, min(frame.bottom + 24, 640), 200, 68), fresh,
        styles, chosen[0].overlay)
    question: Any = DESCRIPTORS[kind].model(
        id=fresh(), name=name, prompt=prompt.id if prompt else None, submit=submit.id, attempts=2,
    )
    made = _parts_of(kind, parts, fresh, roles)
    for where in made.keys() & set(q.PART_LISTS):
        check_room(question, where, len(made[where]))
    question = question.model_copy(update=made)
    grown = slide.model_copy(update={"elements": (*slide.elements, submit)})
    return _read_out(with_question(grown, question), parts), (submit.id,)


def guessed_roles(slide: Slide, ids: Sequence[str]) -> Roles:
    """Return what `question_from` makes of the elements `ids` where they get no other roles."""
    return roles_of(_answering(_chosen(slide, ids)))


def _prompt(chosen: Sequence[Element]) -> Element | None:
    return next((e for e in chosen if isinstance(e, Text) and e.level != "body"), None)


def _answering(chosen: Sequence[Element]) -> list[Element]:
    prompt = _prompt(chosen)
    return [e for e in chosen if e is not prompt]


def _read_out(slide: Slide, parts: Sequence[Element]) -> Slide:
    """The slide with the answers among `parts` no decoration any more: learners must hear them."""
    answers = {name for asked in slide.questions for name in q.answer_elements(asked)}
    named = {part.id for part in parts} & answers
    return slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"decoration": False}) if e.id in named else e
        for e in slide.elements)})


def _outermost(slide: Slide, ids: Sequence[str]) -> list[Element]:
    tops = set(outermost(slide.elements, ids))
    return [e for e in slide.elements if e.id in tops]


def _chosen(slide: Slide, ids: Sequence[str]) -> list[Element]:
    chosen = _outermost(slide, ids)
    if len(chosen) == 1 and isinstance(chosen[0], Group):
        return [e for e in slide.elements if e.group == chosen[0].id]
    return chosen


def _button(
    slide: Slide, name: str, label: str, box: Box, fresh: IdSource, styles: tuple[NamedStyle, ...],
    overlay: str | None,
) -> Button:
    named = usual("button", styles)
    return Button(
        id=fresh(), name=free_name(name, {e.name for e in slide.elements}), label=label,
        x=box.x, y=box.y, w=box.w, h=box.h, z=max(e.z for e in slide.elements) + 1,
        named_style=named.id, style=named.style, looks=named.looks, overlay=overlay,
    )


def with_button(
    slide: Slide, question: str, does: Literal["submit", "reset"], fresh: IdSource,
    styles: tuple[NamedStyle, ...] = USUAL_STYLES, say: Say = say_english,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with a button that submits or clears a question, beside its other button,
    else below its parts. Raises `CannotAsk` where it has one."""
    asked = asked_on(slide, question)
    if getattr(asked, does):
        raise CannotAsk("The question has such a button already.")
    by_id = {e.id: e for e in slide.elements}
    other = by_id.get(asked.submit or asked.reset or "")
    if other is not None:
        box = Box(other.x + other.w + 16, other.y, other.w, other.h)
    else:
        frame = around(box_of(by_id[name]) for name in q.part_elements(asked))
        box = Box(frame.x, min(frame.bottom + 24, 640), 200, 68)
    first = by_id[next(q.part_elements(asked))]
    name, label = ("Submit", say("submit")) if does == "submit" else ("Clear", say("clear"))
    button = _button(slide, name, label, box, fresh, styles, first.overlay)
    grown = slide.model_copy(update={"elements": (*slide.elements, button)})
    return with_question(grown, asked.model_copy(update={does: button.id})), (button.id,)


def with_elements_as_parts(
    slide: Slide, question: str, where: str, ids: Sequence[str], fresh: IdSource
) -> Slide:
    """Return `slide` with elements that it has as more parts of a question: in its list `where`,
    or as what asks it (*prompt*). A group is one part. Raises `CannotAsk` where they cannot be."""
    asked = asked_on(slide, question)
    taken = {element for other in slide.questions for element in q.part_elements(other)}
    chosen = [e for e in _outermost(slide, ids) if e.id not in taken]
    if not chosen:
        raise CannotAsk("It is part of a question already.")
    if where == "prompt":
        return with_question(slide, asked.model_copy(update={"prompt": chosen[0].id}))
    if where not in q.PART_LISTS or not hasattr(asked, where):
        raise CannotAsk("The question has no such parts.")
    if where == "rows" and not all(isinstance(e, Input) for e in chosen):
        raise CannotAsk("Only an input can be rated on.")
    parts = (*getattr(asked, where), *(part_of(asked, where, fresh(), e.id) for e in chosen))
    check_room(asked, where, len(chosen))
    grown = q.with_enough_clicks(asked.model_copy(update={where: parts}))
    return _read_out(with_question(slide, grown), chosen)


def _parts_of(
    kind: QuestionKind, parts: list[Element], fresh: IdSource, roles: Roles | None
) -> dict[str, Any]:
    if DESCRIPTORS[kind].form == "choose":
        if len(parts) < 2:
            raise CannotAsk("Select the answers: two of them, or more where there may be more.")
        return {"choices": tuple(
            q.Choice(id=fresh(), element=e.id, right=n == 0) for n, e in enumerate(parts))}
    if kind == "ordering":
        return {"items": tuple(q.InOrder(id=fresh(), element=e.id) for e in parts)}
    if DESCRIPTORS[kind].form == "pairs":
        return _pairs(parts, fresh, roles)
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


def _pairs(parts: list[Element], fresh: IdSource, roles: Roles | None) -> dict[str, Any]:
    found = roles or roles_of(parts)
    names = [*found.items, *found.targets]
    if len(set(names)) < len(names) or not {part.id for part in parts}.issuperset(names):
        raise CannotAsk("Each selected element is either an item or a target.")
    if not found.items or not found.targets:
        raise CannotAsk("Select both: the items, and what they are put on.")
    targets = tuple(q.Target(id=fresh(), element=name) for name in found.targets)
    one_to_one = len(found.items) <= len(targets)
    if not one_to_one:
        targets = tuple(t.model_copy(update={"takes": None}) for t in targets)
    return {"targets": targets, "items": tuple(
        q.Item(id=fresh(), element=name, to=(targets[n].id,) if one_to_one else ())
        for n, name in enumerate(found.items))}
