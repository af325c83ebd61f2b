"""Videos and audio that come from anywhere: known by their content, checked for what they hold.

Their bytes may be hostile, see `media.streams`.
"""

from dataclasses import dataclass, replace
from typing import BinaryIO

import av
from av.container import InputContainer

from zigzag_core.course import Chapter
from zigzag_core.errors import BadPlaying

from .loudness import loudness_in
from .stills import as_jpeg, upright
from .streams import go_to, opened, picture_of, sound_of

LARGEST_PLAYING = 300_000_000
"""Bytes that one video or audio may have."""
MOST_CHAPTERS = 200

_PREVIEW_SIDE = 640
_LONGEST = 12 * 3_600_000


@dataclass(frozen=True)
class PlayingFile:
    """What a video or audio is: size in px as it is seen, duration in ms, a picture from it.

    `type` is the media type, empty where browsers do not play it, `kind` what it holds. `loudness`
    in LUFS, None without sound.
    """

    type: str
    kind: str
    w: int
    h: int
    duration: int
    preview: bytes | None
    loudness: float | None
    chapters: tuple[Chapter, ...]


def take_playing(file: BinaryIO) -> PlayingFile:
    """Return what the video or audio in `file` is, whatever its name says.

    One picture of a video is decoded, so that damaged ones are refused now and not before a
    learner. Raises `BadPlaying`.
    """
    with opened(file) as container:
        found = _taken(container)
    return replace(found, loudness=loudness_in(file))


def _taken(container: InputContainer) -> PlayingFile:
    video, sound = picture_of(container), sound_of(container)
    if not video and not sound:
        raise BadPlaying("The file holds neither a video nor audio.")
    duration = max(round((container.duration or 0) / 1000), 0)
    if duration > _LONGEST:
        raise BadPlaying("The video or audio says that it is longer than 12 hours.")
    type_, chapters = _type(container, video, sound), _chapters(container, duration)
    w, h, preview = _picture(container, video) if video else (0, 0, None)
    return PlayingFile(
        type_, "video" if video else "audio", w, h, duration, preview, None, chapters)


_PICTURES = {"h264": {"yuv420p", "yuvj420p"}, "vp8": {"yuv420p"},
             "vp9": {"yuv420p"}, "av1": {"yuv420p", "yuv420p10le"}}
"""The codecs of pictures that browsers play, and how their points may be stored."""
_SOUNDS = {"aac", "mp3", "opus", "vorbis", "flac", "pcm_s16le", "pcm_u8", "pcm_s24le", "pcm_f32le"}
_SHORTER = {"libdav1d": "av1", "mp3float": "mp3", "libopus": "opus"}
_OF_VIDEO = {"mp4": "video/mp4", "webm": "video/webm"}
_OF_SOUND = {"mp4": "audio/mp4", "mp3": "audio/mpeg", "ogg": "audio/ogg", "wav": "audio/wav",
             "flac": "audio/flac"}


def _type(
    container: InputContainer, video: av.VideoStream | None, sound: av.AudioStream | None
) -> str:
    """The media type of what browsers play, else nothing."""
    if video and video.codec_context.pix_fmt not in _PICTURES.get(_codec(video), ()):
        return ""
    if sound and _codec(sound) not in _SOUNDS:
        return ""
    types = _OF_VIDEO if video else _OF_SOUND
    names = container.format.name.split(",")
    return next((type_ for name, type_ in types.items() if name in names), "")


def _codec(stream: av.VideoStream | av.AudioStream) -> str:
    name = stream.codec_context.name
    return _SHORTER.get(name, name)


def _chapters(container: InputContainer, duration: int) -> tuple[Chapter, ...]:
    """The chapters that the file knows of, where there are at least two."""
    found: dict[int, Chapter] = {}
    for chapter in container.chapters()[:MOST_CHAPTERS]:
        since = round(float(chapter["start"] * (chapter["time_base"] or 0)) * 1000)
        name = chapter["metadata"].get("title", "").strip()[:200] or f"{len(found) + 1}"
        if 0 <= since < duration:
            found.setdefault(since, Chapter(since=since, name=name))
    return tuple(found[since] for since in sorted(found)) if len(found) > 1 else ()


def _picture(container: InputContainer, video: av.VideoStream) -> tuple[int, int, bytes]:
    """The size of the video as it is seen, and one picture, a little way into it, as JPEG."""
    if container.duration and container.duration > 4_000_000:
        go_to(container, 1)
    for frame in container.decode(video):
        image = upright(frame, video)
        w, h = image.size
        image.thumbnail((_PREVIEW_SIDE, _PREVIEW_SIDE))
        return w, h, as_jpeg(image, 82)
    raise BadPlaying("No picture of the video can be decoded.")
