"""The one visitor of what names what: made from the marks of `kinds` on the models' fields.

It serves rewiring copies (`rewired`), taking away what names something that is gone (`pruned`),
and finding out what is named where (`references`) and what there is (`identities`). Models that
do not change are the same objects afterwards.
"""

from collections.abc import Callable, Collection, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cache
from operator import is_
from types import UnionType
from typing import Annotated, Any, TypeVar, Union, get_args, get_origin

from pydantic import BaseModel
from pydantic.fields import FieldInfo

from .kinds import Is, Kind, Names, NamesInEvent, Refers, RefersBy, Unset
from .rules.expression import GIVEN, NAMED, OPERATORS

M = TypeVar("M", bound=BaseModel)

THIS = "this"
"""In an action, the element that the event happened to: no reference of its own."""

EVENT_NAMES: Mapping[str, tuple[Kind, ...]] = {
    "target": ("element", "slide", "overlay", "variable"), "on": ("element",),
    "question": ("question",), "part": ("part",), "quiz": ("section",),
}
"""What the fields of an event of a walkthrough name."""

KIND_NAMED: Mapping[str, tuple[Kind, ...]] = {
    "variables": ("variable",), "slides": ("slide",), "elements": ("element", "overlay"),
    "overlays": ("overlay",), "sets": ("pattern",), "questions": ("question",),
    "quizzes": ("section",), "question_sets": ("set",), "bands": ("band",),
}
"""The kinds of things that operators of expressions name, by the names of `expression.NAMED`."""


@dataclass(frozen=True)
class Reference:
    """A place that names something: one of `kinds`. A `weak` one may name nothing.

    What an `asked` one names, an expression asks about: it may be on another slide. What one
    `sets` gets another value there.
    """

    kinds: tuple[Kind, ...]
    id: str
    weak: bool = False
    asked: bool = False
    sets: bool = False


VARIABLES: tuple[Kind, ...] = ("variable",)


@dataclass(frozen=True)
class Identity:
    """A thing that there is."""

    kind: Kind
    id: str


class _Gone:
    """Stands for what goes away with the thing that it names."""


_GONE = _Gone()

Idle = Callable[[Any, Any], bool]
"""Says of a model before and after something was taken from it whether it is of no use now."""


@dataclass(frozen=True)
class _Visit:
    """What is done at each mark.

    `refer` and `identify` give the id that is to stand there; None where the thing is gone.
    `pairs` are the questions whose answers are parts themselves, `in_pairs` says that this is one.
    Fields that can hold none of `only` are passed over; None passes over nothing.
    """

    refer: Callable[[Reference], str | None]
    identify: Callable[[Kind, str], str | None]
    pairs: frozenset[str]
    in_pairs: bool = False
    is_idle: Idle = lambda before, after: False
    only: frozenset[str] | None = None
    express: Callable[[Any], None] | None = None
    """Is told every expression, where it is given."""


Step = Callable[[Any, Any, _Visit], Any]
"""Visits a value: (value, the model that holds it, visit); gives it as it is to be, or `_GONE`."""


def references(
    model: BaseModel, pairs: Collection[str] = (), kinds: Collection[Kind] = (),
) -> Iterator[Reference]:
    """Yield every place in `model` that names something, in the order of the fields.

    `pairs` are the questions outside of `model` whose answers are parts (items on targets).
    Where `kinds` are given, only what may name one of these is yielded, and found faster.
    """
    found: list[Reference] = []
    wanted = frozenset(kinds)

    def note(reference: Reference) -> str:
        if not wanted or not wanted.isdisjoint(reference.kinds):
            found.append(reference)
        return reference.id

    only = wanted or _ALL_KINDS
    _visited(model, _Visit(note, lambda _, name: name, _pairs_in(model, pairs), only=only))
    yield from found


def named(model: BaseModel, *kinds: Kind) -> set[str]:
    """Return the ids of all things of `kinds` that `model` names."""
    return {found.id for found in references(model, kinds=kinds)}


def expressions(model: BaseModel) -> list[Any]:
    """Return every expression in `model`, in the order of the fields."""
    found: list[Any] = []
    _visited(model, _Visit(
        lambda reference: reference.id, lambda _, name: name, frozenset(), express=found.append,
        only=frozenset([_EXPRESSION])))
    return found


def identities(model: BaseModel) -> Iterator[Identity]:
    """Yield every thing that `model` is or holds."""
    found: list[Identity] = []

    def note(kind: Kind, name: str) -> str:
        found.append(Identity(kind, name))
        return name

    only = frozenset([_IDENTITY])
    _visited(model, _Visit(lambda reference: reference.id, note, frozenset(), only=only))
    yield from found


def rewired(model: M, ids: Mapping[Identity, str]) -> M:
    """Return `model` with the things among `ids` under their new ids, wherever they are named.

    A text that happens to be an id stays as it is.
    """
    def refer(reference: Reference) -> str:
        for kind in reference.kinds:
            new = ids.get(Identity(kind, reference.id))
            if new is not None:
                return new
        return reference.id

    def identify(kind: Kind, name: str) -> str:
        return ids.get(Identity(kind, name), name)

    made: M = _visited(model, _Visit(refer, identify, _pairs_in(model)))
    return made


IsGone = Callable[[Reference | Identity], bool]


def among(gone: Collection[Identity]) -> IsGone:
    """Return what says of the things `gone`, and of references to them, that they are gone."""
    def is_gone(found: Reference | Identity) -> bool:
        if isinstance(found, Identity):
            return found in gone
        return any(Identity(kind, found.id) in gone for kind in found.kinds)

    return is_gone


def pruned(model: M, is_gone: IsGone, is_idle: Idle) -> M | None:
    """Return `model` without what `is_gone` and without what names it; None if that is all.

    A field that may be without is so then; an item of a list goes; an expression has the value
    that it would have for a thing that there is not. Weak references stay. What `is_idle` after
    something was taken from it goes as well.
    """
    def refer(reference: Reference) -> str | None:
        return None if not reference.weak and is_gone(reference) else reference.id

    def identify(kind: Kind, name: str) -> str | None:
        return None if is_gone(Identity(kind, name)) else name

    made = _visited(model, _Visit(refer, identify, _pairs_in(model), is_idle=is_idle))
    return None if made is _GONE else made


def _pairs_in(model: BaseModel, more: Collection[str] = ()) -> frozenset[str]:
    """The questions in `model`, and `more`, whose answers are parts: items on targets."""
    found = set(more)
    slides = model.__dict__.get("slides", ())
    for holder in (model, *(slide for slide in slides if isinstance(slide, BaseModel))):
        questions = holder.__dict__.get("questions", ())
        found |= {asked.id for asked in questions if _plan_of(asked).pairs}
    return frozenset(found)


def _visited(model: Any, visit: _Visit) -> Any:
    """`model` with each of its fields visited; itself if nothing changed."""
    plan = _plan_of(model, visit.only)
    if not plan.steps:
        return model
    if plan.pairs:
        visit = replace(visit, in_pairs=True)
    changes: dict[str, Any] = {}
    held = model.__dict__
    for name, step, unset in plan.steps:
        before = held[name]
        after = step(before, model, visit)
        if after is before:
            continue
        if after is _GONE:
            if unset is None:
                return _GONE
            after = unset()
        changes[name] = after
    if not changes:
        return model
    made = model.model_copy(update=changes)
    return _GONE if visit.is_idle(model, made) else made


Unsetting = Callable[[], Any]


@dataclass(frozen=True)
class _Plan:
    """How a model is visited: its fields in which there are marks.

    Each has its step, and how it is without a thing. `pairs` says whether it is a question that
    is answered by putting items on targets.
    """

    steps: tuple[tuple[str, Step, Unsetting | None], ...]
    pairs: bool


def _plan_of(model: Any, only: frozenset[str] | None = None) -> _Plan:
    kind: type[BaseModel] = type(model)
    return _plan(kind, only)


@cache
def _plan(model: type[BaseModel], only: frozenset[str] | None) -> _Plan:
    """How models of this type are visited where only these marks count; None: all of them."""
    fields = model.model_fields
    steps = [
        (name, step, _unset(field))
        for name, field in fields.items()
        if (step := _step(field.annotation, tuple(field.metadata))) is not None
        and (only is None or not only.isdisjoint(
            _reach(field.annotation, tuple(field.metadata))))
    ]
    return _Plan(tuple(steps), "targets" in fields and "items" in fields)


_IDENTITY = "identity"
_EXPRESSION = "expression"
_ALL_KINDS: frozenset[str] = frozenset(get_args(Kind))


def _reach(annotation: Any, marks: tuple[Any, ...]) -> frozenset[str]:
    """The kinds that values of this type can name, and whether there are identities or expressions.
    """
    found: set[str] = set()
    _collect_reach(annotation, marks, found, set())
    return frozenset(found)


def _collect_reach(
    annotation: Any, marks: tuple[Any, ...], found: set[str], seen: set[Any]
) -> None:
    for mark in marks:
        match mark:
            case Refers(kinds=kinds):
                found.update(kinds)
            case Is():
                found.add(_IDENTITY)
            case RefersBy() | NamesInEvent():
                found.update(_ALL_KINDS)
            case Names():
                found.update(_ALL_KINDS, [_EXPRESSION])
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        if annotation in seen:
            return
        seen.add(annotation)
        for field in annotation.model_fields.values():
            _collect_reach(field.annotation, tuple(field.metadata), found, seen)
        return
    inner = get_args(annotation)
    if get_origin(annotation) is Annotated:
        _collect_reach(inner[0], tuple(inner[1:]), found, seen)
        return
    for part in inner:
        _collect_reach(part, (), found, seen)


def _unset(field: FieldInfo) -> Unsetting | None:
    """How the field is without a thing; None where it cannot be."""
    if any(isinstance(mark, Unset) for mark in field.metadata):
        return lambda: field.get_default(call_default_factory=True)
    return None


def _step(annotation: Any, marks: tuple[Any, ...]) -> Step | None:
    """How a value of this type is visited; None where there is nothing to visit in it."""
    for mark in marks:
        match mark:
            case Refers() | RefersBy():
                return _reference_step(mark)
            case Is(kind=kind):
                return _identity_step(kind)
            case Names():
                return _expression_step
            case NamesInEvent():
                return _event_step
    origin, inner = get_origin(annotation), get_args(annotation)
    if origin is Annotated:
        return _step(inner[0], tuple(inner[1:]))
    if origin in (Union, UnionType):
        return _union_step([part for part in inner if part is not type(None)])
    if origin is tuple and len(inner) == 2 and inner[1] is Ellipsis:
        return _list_step(_step(inner[0], ()))
    if origin is tuple:
        return _fields_step([_step(part, ()) for part in inner])
    if origin is dict:
        return _dict_step(inner[0], inner[1])
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return _model_step
    return None


def _model_step(value: Any, _: Any, visit: _Visit) -> Any:
    return _visited(value, visit)


def _identity_step(kind: Kind) -> Step:
    def step(value: Any, _: Any, visit: _Visit) -> Any:
        new = visit.identify(kind, value)
        return value if new == value else _GONE if new is None else new

    return step


def _reference_step(mark: Refers | RefersBy) -> Step:
    def step(value: Any, holder: Any, visit: _Visit) -> Any:
        if not isinstance(value, str) or value == THIS:
            return value
        if isinstance(mark, Refers) and mark.of_pairs and not visit.in_pairs:
            return value
        if isinstance(mark, Refers):
            reference = Reference(mark.kinds, value, mark.weak, sets=mark.sets)
        else:
            reference = Reference(mark.kinds(holder), value, mark.weak)
            if not reference.kinds:
                return value
        new = visit.refer(reference)
        return value if new == value else _GONE if new is None else new

    return step


def _union_step(parts: list[Any]) -> Step | None:
    """Models of a union are told apart by what they are, other values by the first that is one."""
    steps = [found for part in parts if (found := _step(part, ())) is not None]
    if not steps:
        return None
    plain = next((found for found in steps if found is not _model_step), None)

    if plain is None:
        return _model_or_none

    def among_plain(value: Any, holder: Any, visit: _Visit) -> Any:
        if value is None:
            return value
        if isinstance(value, BaseModel):
            return _visited(value, visit)
        return plain(value, holder, visit)

    return among_plain


def _model_or_none(value: Any, _: Any, visit: _Visit) -> Any:
    return _visited(value, visit) if isinstance(value, BaseModel) else value


def _list_step(inner: Step | None) -> Step | None:
    if inner is None:
        return None

    def step(value: Any, holder: Any, visit: _Visit) -> Any:
        if not value:
            return value
        after = [inner(item, holder, visit) for item in value]
        if all(map(is_, after, value)):
            return value
        return tuple(item for item in after if item is not _GONE)

    return step


def _fields_step(steps: list[Step | None]) -> Step | None:
    """Tuples of a few fields: one goes away with the thing that any of its fields names."""
    if not any(steps):
        return None

    def step(value: Any, holder: Any, visit: _Visit) -> Any:
        after = [inner(part, holder, visit) if inner else part
                 for inner, part in zip(steps, value, strict=True)]
        if _GONE in after:
            return _GONE
        return value if all(map(is_, after, value)) else tuple(after)

    return step


def _dict_step(key_type: Any, value_type: Any) -> Step | None:
    key_step, value_step = _step(key_type, ()), _step(value_type, ())
    if key_step is None and value_step is None:
        return None

    def step(value: Any, holder: Any, visit: _Visit) -> Any:
        made = {
            key_step(key, holder, visit) if key_step else key:
            value_step(item, holder, visit) if value_step else item
            for key, item in value.items()
        }
        made = {key: item for key, item in made.items() if key is not _GONE and item is not _GONE}
        same = list(made) == list(value) and all(made[key] is value[key] for key in made)
        return value if same else made

    return step


def _expression_step(value: Any, _: Any, visit: _Visit) -> Any:
    if visit.express:
        visit.express(value)
    return _expression(value, visit)


def _event_step(event: Any, _: Any, visit: _Visit) -> Any:
    made = {
        name: visit.refer(Reference(kinds, value, weak=True))
        if (kinds := EVENT_NAMES.get(name)) and isinstance(value, str) else value
        for name, value in event.items()
    }
    return event if made == event else made


# Expressions

_NOTHING: Mapping[str, Any] = {"number": 0, "any": 0, "text": "", "yes_no": False}
"""What operators give for a thing that there is not (`engine.expression`)."""


def _expression(node: Any, visit: _Visit) -> Any:
    if not isinstance(node, list | tuple) or not node:
        return node
    operator, *arguments = node
    if operator == GIVEN:
        return _given(node, visit)
    kinds = KIND_NAMED.get(NAMED.get(operator, ""))
    if kinds is not None:
        new = visit.refer(Reference(kinds, arguments[0], asked=True))
        if new == arguments[0]:
            return node
        return _NOTHING[OPERATORS[operator].gives] if new is None else [operator, new]
    if operator in ("=", "!="):
        arguments = _with_literals(arguments, visit)
    made = [operator, *(_expression(part, visit) for part in arguments)]
    same = len(made) == len(node) and all(a is b for a, b in zip(made, node, strict=True))
    return node if same else made


def _given(node: Any, visit: _Visit) -> Any:
    _, asked, part = node
    new = (visit.refer(Reference(("question",), asked, asked=True)),
           visit.refer(Reference(("part",), part, asked=True)))
    if None in new:
        return False
    return node if new == (asked, part) else [GIVEN, *new]


def _with_literals(arguments: list[Any], visit: _Visit) -> list[Any]:
    """Texts that are compared with where something lies, or was put, are ids as well."""
    made = list(arguments)
    for here, there in ((0, 1), (1, 0)):
        other, text = arguments[there], arguments[here]
        if not isinstance(text, str) or not text or not isinstance(other, list | tuple):
            continue
        if other[0] == "dropped":
            made[here] = visit.refer(Reference(("element",), text, asked=True)) or ""
        elif other[0] == GIVEN and other[1] in visit.pairs:
            made[here] = visit.refer(Reference(("part",), text, asked=True)) or ""
    return made
