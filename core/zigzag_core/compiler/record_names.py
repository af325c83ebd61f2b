"""Names in the records of an LMS."""

import re


def record_name(words: str, name: str) -> str:
    """Return a readable identifier of what has the id `name`, unique as that is.

    It has only characters that every tracking standard takes.
    """
    readable = re.sub(r"[^a-z0-9]+", "-", words.lower()).strip("-")[:60]
    return f"{readable}_{name}" if readable else name
