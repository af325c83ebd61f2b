"""What a file is known by."""

import hashlib
from typing import Any, BinaryIO, cast


def sha256_of(file: BinaryIO) -> str:
    """Return the SHA-256 of all bytes of an open file, in hexadecimal digits."""
    file.seek(0)
    # The stubs of `BinaryIO` do not have `readinto`, which all such files have.
    return hashlib.file_digest(cast(Any, file), "sha256").hexdigest()
