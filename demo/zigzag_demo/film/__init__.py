"""The demo's films, made by `make film`: *Evening round*, and three short ones of a windsock."""

from functools import cache
from pathlib import Path
from typing import Literal

from zigzag_core.course import MediaFile

_FOLDER = Path(__file__).parent
Film = Literal["evening_round", "windsock_calm", "windsock_breeze", "windsock_storm"]
FILMS: tuple[Film, ...] = ("evening_round", "windsock_calm", "windsock_breeze", "windsock_storm")


@cache
def film(name: Film) -> tuple[MediaFile, bytes]:
    """Return what a course knows of a film, and its bytes."""
    described = (_FOLDER / f"{name}.json").read_text("utf-8")
    return MediaFile.model_validate_json(described), (_FOLDER / f"{name}.mp4").read_bytes()


def preview_of(sha256: str) -> bytes | None:
    """Return a picture (JPEG) of the file with this hash, where it is one of the films."""
    for name in FILMS:
        file, _ = film(name)
        if sha256 == file.sha256:
            return (_FOLDER / f"{name}.jpg").read_bytes()
    return None
