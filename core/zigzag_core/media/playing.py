"""Videos and audio that come from anywhere: known by their content, checked for what they hold.

The file is opened with FFmpeg's libraries, whose parsers meet hostile bytes here; whoever calls
this from a server does so in a process that may fail.
"""

import io
from dataclasses import dataclass
from typing import BinaryIO

import av
from av.container import InputContainer
from av.error import FFmpegError
from PIL import Image

from zigzag_core.errors import BadPlaying

LARGEST_PLAYING = 300_000_000
"""Bytes that one video or audio may have."""

_PREVIEW_SIDE = 640
_LONGEST = 12 * 3_600_000


@dataclass(frozen=True)
class PlayingFile:
    """What a video or audio is: media type, size in px, duration in ms, a picture from it."""

    type: str
    w: int
    h: int
    duration: int
    preview: bytes | None


def looks_like_playing(data: bytes) -> bool:
    """Return whether the first bytes are those of a video or audio that browsers may play."""
    return (
        data[4:8] == b"ftyp" or data[:4] in (b"\x1aE\xdf\xa3", b"OggS", b"fLaC")
        or data[:3] == b"ID3" or (data[:4] == b"RIFF" and data[8:12] == b"WAVE")
        or (len(data) > 1 and data[0] == 0xFF and data[1] & 0xE0 == 0xE0 and data[1] != 0xD8)
    )


def take_playing(file: BinaryIO) -> PlayingFile:
    """Return what the video or audio in `file` is, whatever its name says.

    One picture of a video is decoded, so that damaged ones are refused now and not before a
    learner. Raises `BadPlaying`.
    """
    try:
        with av.open(file, "r", metadata_errors="ignore") as container:
            return _taken(container)
    except (FFmpegError, ValueError, IndexError, UnicodeError, MemoryError) as error:
        if isinstance(error, BadPlaying):
            raise
        raise BadPlaying("The video or audio is damaged and cannot be played.") from None


def _taken(container: InputContainer) -> PlayingFile:
    videos = [s for s in container.streams.video if not _is_cover(s)]
    sounds = container.streams.audio
    if not videos and not sounds:
        raise BadPlaying("The file holds neither a video nor audio.")
    duration = round((container.duration or 0) / 1000)
    if duration > _LONGEST:
        raise BadPlaying("The video or audio says that it is longer than 12 hours.")
    codecs = {s.codec_context.name for s in (*videos[:1], *sounds[:1])}
    type_ = _type(container.format.name, bool(videos), codecs)
    if not videos:
        return PlayingFile(type_, 0, 0, max(duration, 0), None)
    video = videos[0]
    w, h = video.codec_context.width, video.codec_context.height
    if not (0 < w <= 8_192 and 0 < h <= 8_192):
        raise BadPlaying("The video's picture has an impossible size.")
    return PlayingFile(type_, w, h, max(duration, 0), _picture(container))


def _is_cover(stream: av.VideoStream) -> bool:
    """Whether the stream is a picture that belongs to a sound."""
    return bool(stream.disposition & av.stream.Disposition.attached_pic)


_PLAYS = {"h264", "vp8", "vp9", "av1", "libdav1d", "aac", "mp3", "mp3float", "opus", "vorbis",
          "flac", "pcm_s16le", "pcm_u8", "pcm_s24le", "pcm_f32le", "libopus"}


def _type(container: str, video: bool, codecs: set[str]) -> str:
    names = set(container.split(","))
    strange = codecs - _PLAYS
    if strange:
        raise BadPlaying(
            f"Browsers do not play this kind of video or audio ({', '.join(sorted(strange))}). "
            "Save it as MP4 (H.264 and AAC), WebM or MP3."
        )
    if "mp4" in names:
        return "video/mp4" if video else "audio/mp4"
    if "webm" in names or "matroska" in names:
        if video:
            return "video/webm"
        raise BadPlaying("Save the sound as MP3, M4A, Ogg or WAV.")
    for name, type_ in (("mp3", "audio/mpeg"), ("ogg", "audio/ogg"), ("wav", "audio/wav"),
                        ("flac", "audio/flac")):
        if name in names and not video:
            return type_
    raise BadPlaying("The file is not an MP4, WebM, MP3, M4A, Ogg, WAV or FLAC.")


def _picture(container: InputContainer) -> bytes:
    """One picture, a little way into the video, as JPEG."""
    if container.duration and container.duration > 4_000_000:
        container.seek(1_000_000)
    for frame in container.decode(video=0):
        image: Image.Image = frame.to_image()  # type: ignore[no-untyped-call]
        image.thumbnail((_PREVIEW_SIDE, _PREVIEW_SIDE))
        out = io.BytesIO()
        image.convert("RGB").save(out, "JPEG", quality=82)
        return out.getvalue()
    raise BadPlaying("No picture of the video can be decoded.")
