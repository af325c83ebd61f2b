"""Questions that are kept in a bank, apart from any one course."""

from typing import Annotated

from pydantic import Field

from .model import Model

MOST_IN_A_BANK = 2_000
"""As many questions as a bank keeps."""


class BankRef(Model):
    """Which question of a bank a slide is, and the `version` of it that is there.

    The bank got it `from_here`: then the parts of the slide have the very ids that the bank has.
    """

    question: Annotated[str, Field(min_length=4, max_length=24, pattern=r"^[a-z0-9]+$")]
    version: Annotated[int, Field(ge=1, le=1_000_000)] = 1
    from_here: bool = False
