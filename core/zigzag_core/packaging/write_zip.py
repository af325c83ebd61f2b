"""Writing archives: the same files give the same bytes, at any time and on any machine."""

import io
import zipfile
from collections.abc import Mapping

_EPOCH = (1980, 1, 1, 0, 0, 0)
_PACKED = (".png", ".jpg", ".webp", ".gif", ".woff2")


def write_zip(files: Mapping[str, bytes]) -> bytes:
    """Return a ZIP of `files` (path to bytes) in the given order; packed media is only stored."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for path, data in files.items():
            entry = zipfile.ZipInfo(path, _EPOCH)
            entry.external_attr = 0o644 << 16
            stored = path.endswith(_PACKED)
            entry.compress_type = zipfile.ZIP_STORED if stored else zipfile.ZIP_DEFLATED
            archive.writestr(entry, data)
    return out.getvalue()
