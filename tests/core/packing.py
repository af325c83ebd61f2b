"""Archives and packages in memory."""

import io

from zigzag_core.packaging.archive import export_archive
from zigzag_core.packaging.package import build_package


def opener(media):
    """Open files of a course that are in memory, by SHA-256."""
    return lambda file: io.BytesIO(media[file.sha256])


def archived(document, media=None):
    """Return the archive of a course."""
    out = io.BytesIO()
    export_archive(document, opener(media or {}), out)
    return out.getvalue()


def packaged(kind, compiled, player, media):
    """Return the package of a compiled course."""
    out = io.BytesIO()
    build_package(kind, compiled, player, opener(media), out)
    return out.getvalue()


def taken_out(media, file):
    """Return the bytes of a file in an archive, read by what `import_archive` gives."""
    out = io.BytesIO()
    media(file, out)
    return out.getvalue()
