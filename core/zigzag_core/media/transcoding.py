"""Videos and audio made into what every browser plays: MP4 (H.264 and AAC), or MP3.

One core works on it. What is made is upright, has square points, an even size and a steady frame
rate, and speech and music of it are at one level (`media.loudness`).
"""

from abc import ABC, abstractmethod
from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import Any, BinaryIO, Generic, Literal, TypeAlias, TypeVar, cast

import av
from av.container import InputContainer, OutputContainer
from av.filter import Graph

from zigzag_core.course.reporting import Progress, untold
from zigzag_core.errors import BadPlaying

from .loudness import PEAK, QUIETEST, TARGET, gain_to, loudness_in
from .streams import decoded, opened, picture_of, quarter_turns, seen_size, sound_of

Quality = Literal["small", "good"]
Packets: TypeAlias = "Sequence[av.Packet[Any]]"
F = TypeVar("F", av.VideoFrame, av.AudioFrame)


@dataclass(frozen=True)
class Measures:
    """What a quality comes to.

    `side` is the longest side in px, `rate` the most frames a second, `crf` how coarse the
    pictures may be, `most` and `sound` are bits a second.
    """

    side: int
    rate: int
    crf: int
    most: int
    sound: int


QUALITIES: dict[Quality, Measures] = {
    "small": Measures(side=854, rate=25, crf=27, most=600_000, sound=64_000),
    "good": Measures(side=1_280, rate=30, crf=23, most=2_500_000, sound=128_000),
}

_RATE = 48_000
_USUAL = Fraction(25)


def most_bytes(quality: Quality, duration: int, video: bool) -> int:
    """Return about how many bytes a file of `duration` ms has at most in a quality."""
    measures = QUALITIES[quality]
    bits = measures.sound + (measures.most if video else 0)
    return round(bits * duration / 8_000 * 1.02)


def transcode(
    file: BinaryIO, into: str, quality: Quality, progress: Progress = untold
) -> None:
    """Write the video or audio in `file` into the file with the path `into`.

    A video becomes MP4, audio MP3; `progress` is told how much is done. Raises `BadPlaying`.
    """
    measures, loud = QUALITIES[quality], loudness_in(file)
    file.seek(0)
    with opened(file) as source:
        video = picture_of(source) is not None
        options = {"movflags": "+faststart"} if video else {}
        with av.open(into, "w", format="mp4" if video else "mp3", options=options) as made:
            _Transcoding(source, made, measures, loud).run(progress)


class _Transcoding:
    """One file on its way from one container into another."""

    def __init__(
        self, source: InputContainer, made: OutputContainer, measures: Measures, loud: float | None
    ) -> None:
        self._source = source
        self._start = Fraction(source.start_time or 0, av.time_base)
        self._duration = float(Fraction(source.duration or 0, av.time_base))
        picture, sound = picture_of(source), sound_of(source)
        out = _Out(made, (picture is not None) + (sound is not None))
        self._lanes: dict[int, _Lane[Any]] = {}
        if picture:
            picture.thread_count = 1
            self._lanes[picture.index] = _Pictures(out, picture, measures, self._start)
        if sound:
            self._lanes[sound.index] = _Sound(out, measures, self._start, loud, bool(picture))
        self._out = out
        self._streams = [stream for stream in (picture, sound) if stream]

    def run(self, progress: Progress) -> None:
        told, frames = 0.0, 0
        for index, frame in decoded(self._source, self._streams):
            frames += 1
            self._lanes[index].take(frame)
            at = float(frame.time or 0) - float(self._start)
            if self._duration and at > told + 0.5:
                told = at
                progress(min(told / self._duration, 1.0))
        if not frames:
            raise BadPlaying("Nothing of the video or audio can be decoded.")
        for lane in self._lanes.values():
            lane.end()
        self._out.end()


class _Out:
    """The container that is made: it takes no packet before all of its streams are known."""

    def __init__(self, made: OutputContainer, streams: int) -> None:
        self.made, self._streams = made, streams
        self._early: list[av.Packet[Any]] = []

    def mux(self, packets: Packets) -> None:
        """Take encoded packets."""
        self._early += packets
        if len(self.made.streams) == self._streams:
            self.end()

    def end(self) -> None:
        """Write what waited for a stream, also where nothing came of that."""
        self.made.mux(self._early)
        self._early = []


class _Lane(ABC, Generic[F]):
    """The pictures or the sound: frames go through a graph of filters into an encoder."""

    def __init__(self, out: _Out, start: Fraction) -> None:
        self._out, self._start = out, start
        self._graph: Graph | None = None
        self._shape: object = None

    def take(self, frame: F) -> None:
        """Take in one decoded frame."""
        if frame.pts is None or frame.time_base is None:
            return
        if self._shape != (shape := self.shape(frame)):
            # Some files change their size or rate on the way.
            self._drain()
            self._graph, self._shape = self.graph(frame), shape
        assert self._graph is not None
        self._graph.push(frame)
        self._pull()

    def end(self) -> None:
        """Encode what is still on its way."""
        if self._shape is not None:
            self._drain()
            self._out.mux(self.encoded(None))

    @abstractmethod
    def shape(self, frame: F) -> object:
        """What a graph is made for."""

    @abstractmethod
    def graph(self, frame: F) -> Graph:
        """Return the filters that a frame like this one goes through."""

    @abstractmethod
    def encoded(self, frame: F | None) -> Packets:
        """Encode a frame that has come through; None: what the encoder still has."""

    def _drain(self) -> None:
        if self._graph:
            self._graph.push(None)
            self._pull()
            self._graph = None

    def _pull(self) -> None:
        assert self._graph is not None
        while True:
            try:
                out = self._graph.pull()
            except (av.error.BlockingIOError, av.error.EOFError):
                return
            self._out.mux(self.encoded(cast(F, out)))


class _Pictures(_Lane[av.VideoFrame]):
    def __init__(
        self, out: _Out, source: av.VideoStream, measures: Measures, start: Fraction
    ) -> None:
        super().__init__(out, start)
        self._source, self._measures = source, measures
        said = source.average_rate or source.guessed_rate or _USUAL
        self._rate = min(said if 1 <= said <= 1_000 else _USUAL, Fraction(measures.rate))
        self._stream: av.VideoStream | None = None

    def shape(self, frame: av.VideoFrame) -> object:
        return frame.width, frame.height, frame.format.name, frame.rotation

    def graph(self, frame: av.VideoFrame) -> Graph:
        turns = quarter_turns(frame)
        stream = self._stream = self._stream or self._encoder(turns)
        graph = Graph()
        graph.threads = 1
        source = graph.add_buffer(
            width=frame.width, height=frame.height, format=frame.format,
            time_base=frame.time_base)
        filters = [("setpts", f"PTS-{float(self._start)}/TB")]
        filters += [("transpose", "cclock")] * turns
        filters += [
            ("scale", f"{stream.width}:{stream.height}:out_range=tv"), ("setsar", "1"),
            ("fps", f"{self._rate}:start_time=0"), ("format", "yuv420p"), ("buffersink", "")]
        return _linked(graph, source, filters)

    def encoded(self, frame: av.VideoFrame | None) -> Packets:
        assert self._stream is not None
        if frame:
            # The encoder decides anew which pictures stand by themselves.
            frame.pict_type = av.video.frame.PictureType.NONE
        return self._stream.encode(frame)

    def _encoder(self, turns: int) -> av.VideoStream:
        """Begin the stream of pictures, as large as the quality and the video allow."""
        measures = self._measures
        w, h = seen_size(self._source, turns)
        share = min(1.0, measures.side / max(w, h))
        stream = self._out.made.add_stream("libx264", rate=self._rate)
        stream.width, stream.height = (max(2, round(side * share / 2) * 2) for side in (w, h))
        stream.pix_fmt = "yuv420p"
        stream.thread_count = 1
        stream.codec_context.gop_size = max(1, round(2 * self._rate))
        stream.codec_context.options = {
            "preset": "veryfast", "profile": "high", "crf": str(measures.crf),
            "maxrate": str(measures.most), "bufsize": str(2 * measures.most)}
        return stream


class _Sound(_Lane[av.AudioFrame]):
    def __init__(
        self, out: _Out, measures: Measures, start: Fraction, loud: float | None,
        video: bool,
    ) -> None:
        super().__init__(out, start)
        self._bits, self._codec = measures.sound, "aac" if video else "libmp3lame"
        self._gain = gain_to(QUIETEST if loud is None else loud, TARGET)
        self._stream: av.AudioStream | None = None

    def shape(self, frame: av.AudioFrame) -> object:
        return frame.sample_rate, frame.format.name, frame.layout.name

    def graph(self, frame: av.AudioFrame) -> Graph:
        stream = self._stream = self._stream or self._encoder(frame.layout.nb_channels)
        graph = Graph()
        source = graph.add_abuffer(
            sample_rate=frame.sample_rate, format=frame.format.name, layout=frame.layout.name,
            time_base=frame.time_base)
        filters = [
            ("asetpts", f"PTS-{float(self._start)}/TB"),
            ("aresample", f"{_RATE}:async=1:first_pts=0"),
            ("volume", f"{self._gain}dB"), ("alimiter", f"limit={PEAK}:level=0"),
            ("aformat", f"sample_fmts={stream.format.name}:channel_layouts={stream.layout.name}"),
            ("abuffersink", "")]
        return _linked(graph, source, filters)

    def encoded(self, frame: av.AudioFrame | None) -> Packets:
        assert self._stream is not None
        return self._stream.encode(frame)

    def _encoder(self, channels: int) -> av.AudioStream:
        stream = cast(av.AudioStream, self._out.made.add_stream(
            self._codec, rate=_RATE, layout="mono" if channels == 1 else "stereo"))
        stream.bit_rate = self._bits
        return stream


def _linked(
    graph: Graph, source: av.filter.context.FilterContext, filters: list[tuple[str, str]]
) -> Graph:
    last = source
    for name, arguments in filters:
        node = graph.add(name, arguments)
        last.link_to(node)
        last = node
    graph.configure()
    return graph
