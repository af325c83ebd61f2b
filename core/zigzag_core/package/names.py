"""Names that the compiler makes."""


def internal(pattern: str, what: str) -> str:
    """Return the id of a variable that a pattern keeps for itself."""
    return f"{pattern[:17]}{what}"
