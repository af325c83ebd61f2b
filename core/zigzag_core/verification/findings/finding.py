"""What a check has found."""

from typing import Literal

from zigzag_core.course.model import Model


class Finding(Model):
    """Something that is wrong: `error` keeps learners from finishing, `warning` is for thought."""

    level: Literal["error", "warning"]
    code: str
    message: str
    slide: str | None = None
    element: str | None = None


Problem = tuple[str, str, str]
"""Of a question: the level, the code, and words that go on after its name."""
