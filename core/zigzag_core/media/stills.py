"""Pictures from videos, upright and with square points, as learners see them."""

import io
from typing import BinaryIO

import av
from PIL import Image

from zigzag_core.errors import BadPlaying

from .streams import go_to, opened, picture_of, quarter_turns, seen_size

_QUALITY = 90


def still_of(file: BinaryIO, at: int) -> bytes:
    """Return the picture that a video shows at `at` ms, or its last one, as JPEG.

    Raises `BadPlaying`.
    """
    with opened(file) as container:
        video = picture_of(container)
        if video is None:
            raise BadPlaying("The file holds no video.")
        start = (container.start_time or 0) / av.time_base
        if at > 0:
            go_to(container, start + at / 1_000)
        found = None
        for frame in container.decode(video):
            found = frame
            if (frame.time or 0) - start >= at / 1_000 - 0.001:
                break
        if found is None:
            raise BadPlaying("No picture of the video can be decoded.")
        return as_jpeg(upright(found, video), _QUALITY)


def upright(frame: av.VideoFrame, video: av.VideoStream) -> Image.Image:
    """Return a frame of `video` as a player shows it."""
    turns = quarter_turns(frame)
    image: Image.Image = frame.to_image()  # type: ignore[no-untyped-call]
    if turns:
        image = image.rotate(90 * turns, expand=True)
    return image.resize(seen_size(video, turns))


def as_jpeg(image: Image.Image, quality: int) -> bytes:
    """Return a picture as JPEG."""
    out = io.BytesIO()
    image.convert("RGB").save(out, "JPEG", quality=quality)
    return out.getvalue()
