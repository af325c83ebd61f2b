"""The demo's film *Evening round*: two minutes in four chapters, made by `make film`."""

from functools import cache
from pathlib import Path

from zigzag_core.course import MediaFile

_FOLDER = Path(__file__).parent


@cache
def film() -> tuple[MediaFile, bytes]:
    """Return what a course knows of the film, and its bytes."""
    described = (_FOLDER / "evening_round.json").read_text("utf-8")
    return MediaFile.model_validate_json(described), (_FOLDER / "evening_round.mp4").read_bytes()


def preview_of(sha256: str) -> bytes | None:
    """Return a picture (JPEG) of the file with this hash, where it is the film."""
    file, _ = film()
    return (_FOLDER / "evening_round.jpg").read_bytes() if sha256 == file.sha256 else None
