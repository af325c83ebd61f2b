"""Posts: where the results of a quiz are sent, and what is said there."""

import re
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from .kinds import Refers, Unset
from .model import Id, Model, Name

MOST_FIELDS = 50
COPY = "Copy to"
"""The name of the field with the learner's own address, where no other has it."""

MailAddress = Annotated[str, Field(
    max_length=254, pattern=r"^([^\s@<>,;:\"]{1,64}@[^\s@<>,;:\".]+(\.[^\s@<>,;:\".]+)+)?$")]
"""A mail address, or nothing."""

WebAddress = Annotated[str, Field(max_length=2_000, pattern=r"^(https?://[^\s\"'<>]+)?$")]

FIELD = re.compile(r"\{\{\s*([^{}]{1,200}?)\s*\}\}")
"""A field that the words of a mail name: ``{{ Name }}``."""

VariableRef = Annotated[Id, Refers(("variable",))]

PostForm = Literal["json", "form", "csv"]
"""How a web address gets the fields: as JSON, as those of an HTML form, or as a line of CSV."""


class PostField(Model):
    """A field of a report: its `name`, and the value that stands in it, as in a text (`ValueRun`).
    """

    name: Name
    of: Annotated[str, Refers(("variable", "set"), weak=True)] = Field(max_length=50)


USUAL_FIELDS = (
    PostField(name="Name", of="learner_name"), PostField(name="Day", of="quiz_day"),
    PostField(name="Attempt", of="quiz_attempt"), PostField(name="Points", of="quiz_points"),
    PostField(name="Of", of="quiz_max_points"), PostField(name="Per cent", of="quiz_score"),
    PostField(name="Result", of="quiz_result"),
)


class Post(Model):
    """Where a report goes when an attempt is finished.

    It goes to the receiver that the package knows: there it is `listed`, and sent to the `mail`
    address. And it goes straight to the `web` address, in its `form`. It has the `fields`, and
    with `answers` each question with what was answered.

    The mail comes from the `sender`, under the `subject`; what stands there and in `before`,
    `after` and the `small_print` may name fields: ``{{ Name }}``. The learner whose address is in
    the variable `copy_to` gets a copy.
    """

    listed: bool = True
    mail: MailAddress = ""
    web: WebAddress = ""
    form: PostForm = "json"
    fields: tuple[PostField, ...] = Field(default=USUAL_FIELDS, max_length=MOST_FIELDS)
    answers: bool = True
    subject: Annotated[str, Field(max_length=200)] = ""
    sender: Annotated[str, Field(max_length=100)] = ""
    before: Annotated[str, Field(max_length=4_000)] = ""
    after: Annotated[str, Field(max_length=4_000)] = ""
    small_print: Annotated[str, Field(max_length=2_000)] = ""
    copy_to: Annotated[VariableRef | None, Unset()] = None

    @model_validator(mode="after")
    def _names_are_apart(self) -> Self:
        names = [field.name for field in self.fields]
        if len(set(names)) != len(names):
            raise ValueError("two fields of a report have the same name")
        return self

    @property
    def sent(self) -> tuple[PostField, ...]:
        """The fields that a package sends: its own, and the address for a copy."""
        if self.copy_to is None or any(field.of == self.copy_to for field in self.fields):
            return self.fields
        return (*self.fields, PostField(name=COPY, of=self.copy_to))

    @property
    def to_receiver(self) -> bool:
        """Whether anything of it is the receiver's work."""
        return self.listed or bool(self.mail) or self.copy_to is not None
