"""Names that the compiler makes."""

import hashlib


def internal(pattern: str, what: str) -> str:
    """Return the id of a variable that a pattern keeps for itself."""
    return f"{pattern[:17]}{what}"


def panel_part(panel: str, part: str) -> str:
    """Return the id of an element of a feedback panel: short enough, however long the panel's is.

    `part` has up to 7 characters.
    """
    return f"f{hashlib.blake2b(panel.encode(), digest_size=8).hexdigest()}{part}"
