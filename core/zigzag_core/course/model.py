"""Base class and plain value types shared by every part of the course document."""

from collections.abc import Mapping
from functools import cache
from typing import Annotated, Any, Literal, Self, TypeVar

from pydantic import BaseModel, ConfigDict, Field, GetCoreSchemaHandler, StringConstraints
from pydantic_core import CoreSchema

Id = Annotated[str, StringConstraints(pattern=r"^[a-z0-9]{4,24}$")]
"""Identity of a thing in a course. References are by id, never by name."""

Name = Annotated[str, StringConstraints(max_length=200)]
"""A name for people; may be changed at any time without breaking a reference."""

Colour = Annotated[str, StringConstraints(pattern=r"^#[0-9a-f]{6}$")]
"""An sRGB colour as ``#rrggbb``, lower case."""

Role = Literal[
    "ink", "quiet", "paper", "sheet", "primary", "on_primary", "soft", "accent", "edge"
]
"""What a colour of the theme is for: words, lesser words, the slide, panels on it, what acts and
the words on that, its tint, what is pointed out, lines."""

Paint = Annotated[str, StringConstraints(
    pattern="^(#[0-9a-f]{6}|ink|quiet|paper|sheet|primary|on_primary|soft|accent|edge)$"
)]
"""A colour: ``#rrggbb`` for good, or the name of one of the theme's."""

FARTHEST = 20_000
"""So far (px) from the slide's corner, and so large, can anything be."""

Pixels = Annotated[float, Field(ge=-FARTHEST, le=FARTHEST)]
"""A place on the slide, in slide pixels."""

Length = Annotated[float, Field(ge=0, le=FARTHEST)]
"""A size on the slide, in slide pixels."""


class Model(BaseModel):
    """A frozen, strict value: unknown fields, infinities and over-long texts are refused."""

    model_config = ConfigDict(
        extra="forbid", frozen=True, allow_inf_nan=False, str_max_length=20_000
    )

    @classmethod
    def made(cls, **fields: Any) -> Self:
        """Return a model of `fields` that are known to be right: nothing is checked or converted.

        For values that this program has made of checked ones; it takes a fifth of the time.
        """
        return _bare(cls, {**_defaults(cls), **fields}, set(fields))

    def model_copy(
        self, *, update: Mapping[str, Any] | None = None, deep: bool = False
    ) -> Self:
        """Return a copy with the fields of `update`, which are not checked.

        As Pydantic's own, but quicker: these models have no private and no further fields, and
        being frozen need no deep copies.
        """
        update = update or {}
        return _bare(
            type(self), {**self.__dict__, **update}, self.__pydantic_fields_set__.union(update))

    @property
    def held(self) -> Mapping[str, Any]:
        """The fields by name, for those that only some models have.

        To ask with ``getattr`` for what may not be there costs ten times as much.
        """
        return self.__dict__

    @classmethod
    def __get_pydantic_core_schema__(
        cls, source: type[BaseModel], handler: GetCoreSchemaHandler
    ) -> CoreSchema:
        """Keep the fields that say which model it is when defaults are left out of the JSON.

        Pydantic leaves out what equals its default, also ``kind: Literal["text"] = "text"``,
        without which a union cannot be read. A serializer of its own hides that default.
        """
        schema = handler(source)
        inner: Any = handler.resolve_ref_schema(schema)
        while inner["type"] != "model-fields":
            inner = inner["schema"]
        for field in inner["fields"].values():
            held = field["schema"]
            if held["type"] == "default" and _is_tag(held["schema"]):
                held["serialization"] = {"type": "any"}
        return schema


def _is_tag(schema: Mapping[str, Any]) -> bool:
    return schema["type"] == "literal" and len(schema["expected"]) == 1


@cache
def _defaults(model: type[BaseModel]) -> Mapping[str, Any]:
    """The defaults of all fields that have one; values of frozen models can be shared."""
    return {name: field.get_default(call_default_factory=True)
            for name, field in model.model_fields.items() if not field.is_required()}


M = TypeVar("M", bound=BaseModel)


def _bare(model: type[M], fields: dict[str, Any], given: set[str]) -> M:
    """A `model` that holds `fields`, of which `given` were given."""
    made = object.__new__(model)
    set_slot = object.__setattr__
    set_slot(made, "__dict__", fields)
    set_slot(made, "__pydantic_fields_set__", given)
    set_slot(made, "__pydantic_extra__", None)
    set_slot(made, "__pydantic_private__", None)
    return made
