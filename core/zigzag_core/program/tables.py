"""What the TypeScript engine and the workbench need of the core's tables, as plain JSON.

`manage.py export_tables` writes it as TypeScript; a test holds the file to what it says here.
"""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any, get_args

from pydantic import BaseModel
from pydantic_core import PydanticUndefined

from zigzag_core.course import CourseDocument
from zigzag_core.course.dialogues import WIDE
from zigzag_core.course.media import SMALL_PICTURE, SMALL_SHOWN
from zigzag_core.course.questions.answer_row import MOST_PARTS, MOST_TABLE_BYTES
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.questions.feedback import Feedback
from zigzag_core.course.questions.question import PART_LISTS, SINGLE_PARTS
from zigzag_core.course.questions.settings import DESIGN, FIELDS, LABELS, WORDS
from zigzag_core.course.reading_speed import LINE, LINES, SLACK, SPEED
from zigzag_core.course.rules.expression import GIVEN, OPERATORS
from zigzag_core.course.rules.patterns import SETS
from zigzag_core.course.style.style import Look
from zigzag_core.course.text.rich_text import LiveValue
from zigzag_core.editing import patterns
from zigzag_core.words import ENGLISH, LANGUAGES, RIGHT_TO_LEFT

from .limits import LIMITS
from .shapes import models_in


def tables() -> dict[str, Any]:
    """Return the tables by name, each JSON."""
    return {
        "LIMITS": asdict(LIMITS),
        "WIDE_DIALOGUE": WIDE,
        "READING": {"line": LINE, "lines": LINES, "fastest": SPEED * SLACK},
        "WORDS": dict(ENGLISH),
        "LANGUAGES": LANGUAGES,
        "RIGHT_TO_LEFT": sorted(RIGHT_TO_LEFT),
        "OPERATORS": {name: asdict(operator) for name, operator in OPERATORS.items()},
        "ABOUT_QUESTIONS": [n for n, o in OPERATORS.items() if o.names == "questions"],
        "OF_QUIZ": [n for n, o in OPERATORS.items() if o.names == "quizzes"],
        "GIVEN": GIVEN,
        "LOOKS": list(get_args(Look)),
        "LIVE_VALUES": list(get_args(LiveValue)),
        "SETS": list(SETS),
        "PATTERN_PARTS": {
            "fewest": patterns.FEWEST, "most": patterns.MOST, "of": list(patterns.COUNTED)},
        "QUESTIONS": {
            kind: {
                "title": found.title, "search": found.search, "form": found.form,
                "judged": found.judged, "partly": found.partly, "lists": dict(found.lists),
            }
            for kind, found in DESCRIPTORS.items()
        },
        "PART_LISTS": list(PART_LISTS),
        "SINGLE_PARTS": list(SINGLE_PARTS),
        "SETTINGS": {
            "fields": {name: list(fields) for name, fields in FIELDS.items()},
            "words": list(WORDS), "design": list(DESIGN), "labels": LABELS,
        },
        "MOST_TABLE_PARTS": MOST_PARTS, "MOST_TABLE_BYTES": MOST_TABLE_BYTES,
        "SMALL_PICTURE": SMALL_PICTURE,
        "SMALL_SHOWN": SMALL_SHOWN,
        "MOST_HINTS": most_items(Feedback, "hints"),
    }


def defaults() -> dict[str, dict[str, Any]]:
    """Return what the fields of each model of the document are where nothing is said, by model.

    Fields that must be given are left out.
    """
    found: dict[str, dict[str, Any]] = {}
    for model in sorted(_models(CourseDocument, {}).values(), key=lambda m: m.__name__):
        if model is CourseDocument:
            continue
        fields = {name: _default(field.get_default(call_default_factory=True))
                  for name, field in model.model_fields.items()
                  if not field.is_required()}
        if fields:
            found[model.__name__] = fields
    return found


def most_items(model: type[BaseModel], name: str) -> int:
    """Return how many items the list `name` of a `model` holds at the most."""
    return next(int(rule.max_length) for rule in model.model_fields[name].metadata
                if hasattr(rule, "max_length"))


def _default(value: object) -> object:
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    if isinstance(value, tuple):
        return [_default(item) for item in value]
    return None if value is PydanticUndefined else value


def _models(
    model: type[BaseModel], found: dict[str, type[BaseModel]]
) -> Mapping[str, type[BaseModel]]:
    """Every model that can be in `model`, by name."""
    if model.__name__ not in found:
        found[model.__name__] = model
        for field in model.model_fields.values():
            for inner in models_in(field.annotation):
                _models(inner, found)
    return found
