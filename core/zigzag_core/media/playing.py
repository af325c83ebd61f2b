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

    `type` is the media type, empty where browsers do not play it; `loudness` in LUFS, None without
    sound, which one that is `soundless` has not got at all.
    """

    type: str
    w: int
    h: int
    duration: int
    preview: bytes | None
    loudness: float | None
    soundless: bool
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
    return PlayingFile(type_, w, h, duration, preview, None, sound is None, chapters)


_POINTS = {"yuv420p", "yuvj420p"}
"""How the points of pictures are stored that browsers show."""
_PCM = {"pcm_s16le", "pcm_u8", "pcm_s24le", "pcm_f32le"}
_SHORTER = {"libdav1d": "av1", "mp3float": "mp3", "libopus": "opus"}


@dataclass(frozen=True)
class _Played:
    """A container that browsers play: its media types, and the codecs that may be in it."""

    video: str
    audio: str
    pictures: frozenset[str]
    sounds: frozenset[str]


def _played(video: str, audio: str, pictures: set[str], sounds: set[str]) -> _Played:
    return _Played(video, audio, frozenset(pictures), frozenset(sounds))


_PLAYED = {
    "mp4": _played("video/mp4", "audio/mp4", {"h264", "vp9", "av1"},
                   {"aac", "mp3", "opus", "flac"}),
    "webm": _played("video/webm", "", {"vp8", "vp9", "av1"}, {"opus", "vorbis"}),
    "mp3": _played("", "audio/mpeg", set(), {"mp3"}),
    "ogg": _played("", "audio/ogg", set(), {"opus", "vorbis", "flac"}),
    "wav": _played("", "audio/wav", set(), _PCM),
    "flac": _played("", "audio/flac", set(), {"flac"}),
}
"""By FFmpeg's name of the container. It takes Matroska for WebM: the codecs tell them apart."""


def _type(
    container: InputContainer, video: av.VideoStream | None, sound: av.AudioStream | None
) -> str:
    """The media type of what browsers play, else nothing."""
    names = container.format.name.split(",")
    played = next((one for name, one in _PLAYED.items() if name in names), None)
    if played is None or (sound and _codec(sound) not in played.sounds):
        return ""
    if video is None:
        return played.audio
    shown = _codec(video) in played.pictures and video.codec_context.pix_fmt in _POINTS
    return played.video if shown else ""


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
