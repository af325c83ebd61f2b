"""Pages of lists: from which number on, and how many at most."""

from typing import Annotated

from pydantic import Field

MOST = 200
"""So many are given at once at most, whatever is asked for."""

Start = Annotated[int, Field(ge=0, le=1_000_000)]
Most = Annotated[int, Field(ge=1, le=MOST)]
