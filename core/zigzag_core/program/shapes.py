"""What a model has where nothing is said, and which models are in its fields.

A packaged program leaves out what is as in these tables; the player fills it in again.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any, Literal, get_args, get_origin

from pydantic import BaseModel
from pydantic.fields import FieldInfo

from zigzag_core.course.elements.element import ElementBase

from .model import AUTHORS_OWN, Program


@dataclass(frozen=True)
class Inner:
    """The models in a field: one model, or one by the value of its field `by`.

    With `keyed` the field is an object whose values are such models. Lists need no mark.
    """

    models: Mapping[str, str]
    by: str = ""
    keyed: bool = False


@dataclass(frozen=True)
class Shape:
    """The defaults of a model as JSON, by field, and the models in its fields."""

    defaults: Mapping[str, Any]
    inner: Mapping[str, Inner]


def shapes() -> dict[str, Shape]:
    """Return the shapes of `Program` and of every model in it, by name."""
    found: dict[str, Shape] = {}

    def look(model: type[BaseModel]) -> None:
        if model.__name__ not in found:
            found[model.__name__] = _shape(model)
            for name in found[model.__name__].inner:
                for inner in models_in(model.model_fields[name].annotation):
                    look(inner)

    look(Program)
    return dict(sorted(found.items()))


def _shape(model: type[BaseModel]) -> Shape:
    """The shape of `model`. A field that can be one value only is never left out of JSON."""
    fields = model.model_fields
    empty = AUTHORS_OWN if issubclass(model, ElementBase) else ()
    return Shape(
        {name: _json(field.get_default(call_default_factory=True))
         for name, field in fields.items()
         if not field.is_required() and not _is_tag(field)},
        {name: inner for name, field in fields.items()
         if name not in empty and (inner := _inner(field)) is not None},
    )


def models_in(annotation: object) -> Iterator[type[BaseModel]]:
    """Yield the models that an annotation speaks of, those in unions and lists as well."""
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        yield annotation
    for part in get_args(annotation):
        yield from models_in(part)


def _is_tag(field: FieldInfo) -> bool:
    return get_origin(field.annotation) is Literal and len(get_args(field.annotation)) == 1


def _inner(field: FieldInfo) -> Inner | None:
    models = tuple(models_in(field.annotation))
    if not models:
        return None
    keyed = get_origin(field.annotation) is dict
    if len(models) == 1:
        return Inner({"": models[0].__name__}, keyed=keyed)
    by = next(name for name in models[0].model_fields
              if all(name in m.model_fields and _is_tag(m.model_fields[name]) for m in models))
    return Inner(
        {get_args(m.model_fields[by].annotation)[0]: m.__name__ for m in models}, by, keyed)


def _json(value: object) -> object:
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    return [_json(item) for item in value] if isinstance(value, tuple) else value
