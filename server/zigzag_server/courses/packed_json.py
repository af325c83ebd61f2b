"""JSON in few bytes: what is kept of earlier states is many times what is there now."""

import json
import zlib
from typing import TYPE_CHECKING, Any

from django.db import models
from django.db.backends.base.base import BaseDatabaseWrapper

_LEVEL = 6

if TYPE_CHECKING:
    _Binary = models.BinaryField[Any, Any]
else:
    _Binary = models.BinaryField


def packed(value: object) -> bytes:
    """Return JSON, compressed (zlib)."""
    return zlib.compress(json.dumps(value, separators=(",", ":")).encode(), _LEVEL)


def unpacked(data: bytes) -> Any:  # noqa: ANN401
    """Return what `packed` was given."""
    return json.loads(zlib.decompress(data))


class PackedJSONField(_Binary):
    """A field that holds JSON, compressed. It cannot be searched in."""

    def from_db_value(
        self, value: bytes | None, expression: object, connection: BaseDatabaseWrapper
    ) -> Any:  # noqa: ANN401
        """Return the value from the database as Python knows it."""
        return None if value is None else unpacked(value)

    def get_prep_value(self, value: object) -> bytes | None:
        """Return what the database keeps of a value."""
        return None if value is None else packed(value)
