"""Containers of videos and audio, opened with FFmpeg's libraries as what they are.

Their parsers meet hostile bytes here; whoever calls this from a server does so in a process that
may fail.
"""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager, suppress
from fractions import Fraction
from typing import BinaryIO

import av
from av.container import InputContainer
from av.error import FFmpegError

from zigzag_core.errors import BadPlaying

FORMATS = ("mov", "matroska", "webm", "avi", "asf", "flv", "mpeg", "mpegts", "ogg", "wav", "mp3",
           "flac", "aiff", "aac", "amr", "caf", "au", "wv", "w64")
"""FFmpeg's names of the containers that are read. None of them leads to another file."""

_STARTS = (b"\x1aE\xdf\xa3", b"OggS", b"fLaC", b"ID3", b"FLV\x01", b"\x30\x26\xb2\x75\x8e\x66",
           b"\0\0\1\xba", b"\0\0\1\xb3", b"#!AMR", b"caff", b".snd", b"wvpk")
_BOXES = (b"ftyp", b"moov", b"mdat", b"wide", b"free", b"skip")
_PARTS = {b"RIFF": (b"WAVE", b"AVI "), b"FORM": (b"AIFF", b"AIFC")}
_MOST_DAMAGED = 50
"""So many packets may be damaged before a file is given up."""
_TS_PACKET, _TS_MARK = 188, 0x47


def looks_like_playing(data: bytes) -> bool:
    """Return whether the first bytes are those of a video or audio that can be read."""
    return (
        data.startswith(_STARTS) or data[4:8] in _BOXES
        or data[8:12] in _PARTS.get(data[:4], ())
        or all(data[at:at + 1] == bytes((_TS_MARK,)) for at in (0, _TS_PACKET, 2 * _TS_PACKET))
        or (len(data) > 1 and data[0] == 0xFF and data[1] & 0xE0 == 0xE0 and data[1] != 0xD8)
    )


@contextmanager
def opened(file: BinaryIO) -> Iterator[InputContainer]:
    """Open a video or audio. Whatever FFmpeg finds wrong in it is raised as `BadPlaying`."""
    options = {"format_whitelist": ",".join(FORMATS)}
    try:
        with av.open(file, "r", options=options, metadata_errors="ignore") as container:
            yield container
    except (FFmpegError, ValueError, IndexError, UnicodeError, MemoryError) as error:
        if isinstance(error, BadPlaying):
            raise
        raise BadPlaying("The video or audio is damaged and cannot be played.") from None


def picture_of(container: InputContainer) -> av.VideoStream | None:
    """Return the stream of moving pictures; a picture that belongs to a sound is none."""
    cover = av.stream.Disposition.attached_pic
    return next((s for s in container.streams.video if not s.disposition & cover), None)


def sound_of(container: InputContainer) -> av.AudioStream | None:
    """Return the first stream of sound."""
    return next(iter(container.streams.audio), None)


def decoded(
    container: InputContainer, streams: Sequence[av.VideoStream | av.AudioStream]
) -> Iterator[tuple[int, av.VideoFrame | av.AudioFrame]]:
    """Decode streams from where the container is; yield their frames, each with its stream's index.

    Some packets may be damaged: they are left out. Raises FFmpeg's error for more.
    """
    damaged = 0
    for packet in container.demux(*streams):
        try:
            frames = packet.decode()
        except FFmpegError:
            damaged += 1
            if damaged > _MOST_DAMAGED:
                raise
            continue
        for frame in frames:
            if isinstance(frame, av.VideoFrame | av.AudioFrame):
                yield packet.stream.index, frame


def go_to(container: InputContainer, at: float) -> None:
    """Go on at `at` seconds, or stay where it is in what has no places to go to."""
    with suppress(FFmpegError):
        container.seek(round(at * av.time_base))


def seen_size(stream: av.VideoStream, quarter_turns: int) -> tuple[int, int]:
    """Return width and height (px) as a player shows them: with square points, and turned.

    Raises `BadPlaying` for an impossible size.
    """
    w, h = stream.codec_context.width, stream.codec_context.height
    if not (0 < w <= 8_192 and 0 < h <= 8_192):
        raise BadPlaying("The video's picture has an impossible size.")
    points = stream.sample_aspect_ratio or Fraction(1)
    if Fraction(1, 4) <= points <= 4:
        w = max(1, round(w * points))
    return (h, w) if quarter_turns % 2 else (w, h)


def quarter_turns(frame: av.VideoFrame) -> int:
    """Return how many quarters to the left a player turns `frame`, 0 to 3."""
    return round(frame.rotation / 90) % 4
