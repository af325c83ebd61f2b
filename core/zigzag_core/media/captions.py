"""Captions of videos and audio: read from and written as WebVTT (W3C) or SubRip."""

import html
import io
import re

import webvtt
from webvtt.errors import MalformedCaptionError, MalformedFileError

from zigzag_core.course import Caption
from zigzag_core.errors import BadCaptions

LARGEST_CAPTIONS = 1_000_000
"""Characters that one file of captions may have."""

MOST_CAPTIONS = 5_000

_MARKUP = re.compile(r"<[^<>]*>")


def read_captions(text: str) -> tuple[Caption, ...]:
    """Return the captions in `text`, WebVTT or SubRip, by time; what is marked up becomes plain.

    Raises `BadCaptions` where none can be read, or more than `MOST_CAPTIONS`.
    """
    if len(text) > LARGEST_CAPTIONS:
        raise BadCaptions("The file is too long for captions; nothing was changed.")
    plain = text.lstrip("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
    kind = "vtt" if plain.startswith("WEBVTT") else "srt"
    try:
        found = webvtt.from_buffer(io.StringIO(plain), format=kind).captions
    except (MalformedCaptionError, MalformedFileError, ValueError) as error:
        raise BadCaptions(_NOT_READ) from error
    captions = tuple(
        Caption(since=since, until=until, text=words)
        for since, until, words in sorted(
            (_ms(one.start_in_seconds, one.start), _ms(one.end_in_seconds, one.end),
             _plain(one.text))
            for one in found[: MOST_CAPTIONS + 1]
        )
        if words and until > since
    )
    if not captions:
        raise BadCaptions(_NOT_READ)
    if len(captions) > MOST_CAPTIONS:
        raise BadCaptions(f"There are more than {MOST_CAPTIONS} captions; nothing was changed.")
    return captions


def _plain(words: str) -> str:
    return html.unescape(_MARKUP.sub("", words)).strip()[:500]


_NOT_READ = (
    "No captions were found in this file. It needs to be WebVTT (.vtt) or SubRip (.srt), with a "
    "time before each caption; nothing was changed."
)


def write_captions(captions: tuple[Caption, ...]) -> str:
    """Return `captions` as WebVTT."""
    blocks = [
        f"{_time(one.since)} --> {_time(one.until)}\n{_escaped(one.text)}" for one in captions
    ]
    return "\n\n".join(["WEBVTT", *blocks]) + "\n"


def write_subrip(captions: tuple[Caption, ...]) -> str:
    """Return `captions` as SubRip, which has no marks of its own: words stay as they are."""
    return "\n".join(
        f"{number}\n{_time(one.since, ',')} --> {_time(one.until, ',')}\n{_lines(one.text)}\n"
        for number, one in enumerate(captions, 1))


def _lines(text: str) -> str:
    """An empty line would end a caption."""
    return "\n".join(line for line in text.split("\n") if line.strip())


def _escaped(text: str) -> str:
    return _lines(text).replace("&", "&amp;").replace("<", "&lt;").replace("-->", "--&gt;")


def _ms(seconds: int, written: str) -> int:
    """The library counts whole seconds; the ms are in what was written."""
    part = re.search(r"[.,](\d{1,3})\s*$", written)
    return seconds * 1000 + (int(part[1].ljust(3, "0")) if part else 0)


def _time(ms: int, point: str = ".") -> str:
    seconds, rest = divmod(ms, 1000)
    return f"{seconds // 3600:02d}:{seconds // 60 % 60:02d}:{seconds % 60:02d}{point}{rest:03d}"
