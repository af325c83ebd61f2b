"""Writing archives: the same files give the same bytes, at any time and on any machine."""

import shutil
import zipfile
from collections.abc import Callable, Mapping
from typing import BinaryIO

_EPOCH = (1980, 1, 1, 0, 0, 0)
_PACKED = (
    ".png", ".jpg", ".webp", ".gif", ".woff2", ".mp4", ".webm", ".mp3", ".m4a", ".ogg", ".flac",
    ".wav",  # It could be packed, but silence would grow so much that it looks like a trap.
)
_AT_ONCE = 1_000_000

Content = bytes | Callable[[], BinaryIO]
"""The bytes of a file, or what opens it: then it is copied and never in memory as a whole."""


def write_zip(files: Mapping[str, Content], into: BinaryIO) -> None:
    """Write a ZIP of `files` by path, in the given order; packed media is only stored."""
    with zipfile.ZipFile(into, "w", zipfile.ZIP_DEFLATED) as archive:
        for path, content in files.items():
            entry = zipfile.ZipInfo(path, _EPOCH)
            entry.external_attr = 0o644 << 16
            stored = path.endswith(_PACKED)
            entry.compress_type = zipfile.ZIP_STORED if stored else zipfile.ZIP_DEFLATED
            if isinstance(content, bytes):
                archive.writestr(entry, content)
            else:
                with content() as source, archive.open(entry, "w") as target:
                    shutil.copyfileobj(source, target, _AT_ONCE)
