"""Videos and audio of odd kinds made into what browsers play: upright, even, at one level."""

import io
from fractions import Fraction

import av
import numpy as np
import pytest
from PIL import Image
from zigzag_core.errors import BadPlaying
from zigzag_core.media.loudness import TARGET
from zigzag_core.media.playing import take_playing
from zigzag_core.media.stills import still_of
from zigzag_core.media.streams import FORMATS, looks_like_playing, opened
from zigzag_core.media.transcoding import QUALITIES, most_bytes, transcode

from .test_media import sound

RATE = 44_100


def film(
    container="matroska", codec="mpeg4", sound="ac3", size=(320, 180), seconds=2, rate=12,
    level=0.05, turn=0, late=0.0, points=None,
):
    """A grey film with a white corner, upper left, and a tone of 440 Hz; `late`: s of the sound."""
    out = io.BytesIO()
    with av.open(out, "w", format=container) as file:
        pictures = file.add_stream(codec, rate=rate)
        pictures.width, pictures.height = size
        pictures.pix_fmt = "yuvj420p" if codec == "mjpeg" else "yuv420p"
        if points:
            pictures.codec_context.sample_aspect_ratio = points
        if turn:
            pictures.set_display_rotation(turn)
        heard = file.add_stream(sound, rate=RATE, layout="stereo") if sound else None
        if heard:
            heard.bit_rate = 96_000
        image = Image.new("RGB", size, (90, 90, 90))
        image.paste((255, 255, 255), (0, 0, size[0] // 4, size[1] // 4))
        for _ in range(seconds * rate):
            file.mux(pictures.encode(av.VideoFrame.from_image(image)))
        file.mux(pictures.encode(None))
        if heard:
            tone = (level * np.sin(2 * np.pi * 440 * np.arange(RATE * seconds) / RATE))
            kind = "s16" if sound == "pcm_s16le" else "fltp"
            samples = np.stack([tone, tone]).astype(np.float32)
            if kind == "s16":
                samples = (samples.T.reshape(1, -1) * 32_767).astype(np.int16)
            frame = av.AudioFrame.from_ndarray(samples, format=kind, layout="stereo")
            frame.sample_rate = RATE
            frame.pts, frame.time_base = round(late * RATE), Fraction(1, RATE)
            file.mux(heard.encode(frame))
            file.mux(heard.encode(None))
    return out.getvalue()


def made_of(data, tmp_path, quality="good", progress=lambda share: None):
    """What `data` becomes: the file, and what it is."""
    path = tmp_path / "made"
    transcode(io.BytesIO(data), str(path), quality, progress)
    content = path.read_bytes()
    return content, take_playing(io.BytesIO(content))


def corners(preview):
    """Whether each corner of a picture is white: upper left and right, lower left and right."""
    image = Image.open(io.BytesIO(preview)).convert("L")
    w, h = image.size
    return [image.getpixel(place) > 200
            for place in ((4, 4), (w - 5, 4), (4, h - 5), (w - 5, h - 5))]


@pytest.mark.parametrize("kind", [
    {"container": "matroska"}, {"container": "matroska", "codec": "libx264", "sound": "aac"},
    {"container": "avi", "sound": "pcm_s16le", "size": (322, 178)},
    {"container": "mpegts", "codec": "mpeg2video", "sound": "mp2", "rate": 25},
    {"container": "flv", "codec": "flv1", "sound": "mp3"},
    {"container": "mov", "codec": "libx265", "sound": "aac"},
    {"container": "asf", "codec": "wmv2", "sound": "wmav2"},
    {"container": "mov", "codec": "mjpeg", "sound": None},
])
def test_what_browsers_do_not_play_becomes_mp4(kind, tmp_path):
    data = film(**kind)
    assert looks_like_playing(data)
    before = take_playing(io.BytesIO(data))
    assert before.type == ""
    told = []
    content, after = made_of(data, tmp_path, progress=told.append)
    assert after.type == "video/mp4" and abs(after.duration - before.duration) <= 120
    assert (after.w, after.h) == (before.w, before.h)
    assert corners(after.preview) == [True, False, False, False]
    assert told == sorted(told) and told and told[-1] <= 1
    assert content.index(b"moov") < content.index(b"mdat"), "it begins before all of it is there"
    if kind.get("sound", "ac3"):
        assert abs(after.loudness - TARGET) <= 0.5
    else:
        assert after.loudness is None


@pytest.mark.parametrize(("turn", "white"), [(90, 2), (-90, 1), (180, 3)])
def test_a_turned_video_is_upright(turn, white, tmp_path):
    data = film("mp4", "libx264", "aac", turn=turn)
    before = take_playing(io.BytesIO(data))
    _, after = made_of(data, tmp_path)
    size = (320, 180) if turn == 180 else (180, 320)
    assert (before.w, before.h) == (after.w, after.h) == size
    assert before.type == "video/mp4"
    for found in (before, after):
        assert corners(found.preview).index(True) == white
    with opened(io.BytesIO((tmp_path / "made").read_bytes())) as container:
        assert next(container.decode(video=0)).rotation == 0


def test_odd_sizes_become_even_and_long_points_square(tmp_path):
    odd = film(codec="ffv1", size=(321, 179))
    assert take_playing(io.BytesIO(odd)).w == 321
    _, after = made_of(odd, tmp_path)
    assert (after.w, after.h) in {(320, 178), (320, 180), (322, 178), (322, 180)}
    wide = film(size=(160, 180), points=Fraction(2))
    _, after = made_of(wide, tmp_path)
    assert (after.w, after.h) == (320, 180)


def test_a_quality_bounds_the_side_the_rate_and_the_bytes(tmp_path):
    rng = np.random.default_rng(1)
    out = io.BytesIO()
    with av.open(out, "w", format="matroska") as file:
        stream = file.add_stream("mpeg4", rate=60)
        stream.width, stream.height, stream.pix_fmt = 1_920, 1_080, "yuv420p"
        stream.bit_rate = 100_000_000
        noise = rng.integers(0, 255, (1_080 + 60, 1_920, 3), np.uint8)
        for n in range(60):
            frame = av.VideoFrame.from_ndarray(
                np.ascontiguousarray(noise[n:n + 1_080]), format="rgb24")
            file.mux(stream.encode(frame))
        file.mux(stream.encode(None))
    for quality, measures in QUALITIES.items():
        content, after = made_of(out.getvalue(), tmp_path, quality)
        assert max(after.w, after.h) == measures.side
        assert len(content) < 3 * most_bytes(quality, after.duration, video=True)
        with opened(io.BytesIO(content)) as container:
            assert container.streams.video[0].average_rate <= measures.rate


def test_a_sound_that_begins_late_stays_late(tmp_path):
    made_of(film(late=0.8, level=0.3), tmp_path)
    with opened(io.BytesIO((tmp_path / "made").read_bytes())) as container:
        loud = [(frame.time, float(np.abs(frame.to_ndarray()).max()))
                for frame in container.decode(audio=0)]
    begins = next(time for time, most in loud if most > 0.02)
    assert 0.7 <= begins <= 0.9


def test_audio_becomes_mp3(tmp_path):
    out = io.BytesIO()
    with av.open(out, "w", format="aiff") as file:
        stream = file.add_stream("pcm_s16be", rate=RATE, layout="mono")
        tone = (3_000 * np.sin(np.arange(RATE) / 9)).astype(np.int16)[None]
        frame = av.AudioFrame.from_ndarray(tone, format="s16", layout="mono")
        frame.sample_rate = RATE
        file.mux(stream.encode(frame))
        file.mux(stream.encode(None))
    data = out.getvalue()
    assert looks_like_playing(data) and take_playing(io.BytesIO(data)).type == ""
    _, after = made_of(data, tmp_path, "small")
    assert after.type == "audio/mpeg" and abs(after.loudness - TARGET) <= 0.5


def test_some_damage_is_left_out_and_more_is_refused(tmp_path):
    data = bytearray(film("mpegts", "mpeg2video", "mp2", rate=25, seconds=4))
    for at in range(len(data) // 2, len(data) // 2 + 4_000, 400):
        data[at:at + 40] = b"\x55" * 40
    _, after = made_of(bytes(data), tmp_path)
    assert after.duration >= 3_000
    with pytest.raises(BadPlaying):
        made_of(b"\x1aE\xdf\xa3" + b"\x01" * 3_000, tmp_path)


def test_what_leads_to_other_files_is_not_opened():
    lists = (b"#EXTM3U\n#EXTINF:1,\n/etc/passwd\n", b"ffconcat version 1.0\nfile /etc/hostname\n")
    for data in lists:
        assert not looks_like_playing(data)
        with pytest.raises(BadPlaying), opened(io.BytesIO(data)):
            pass
    assert not {"hls", "concat", "dash", "sdp", "image2"} & set(FORMATS)


def test_chapters_of_a_file_are_known():
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as file:
        file.set_chapters([
            {"id": n, "start": n * 1_000, "end": n * 1_000 + 999, "time_base": Fraction(1, 1_000),
             "metadata": {"title": name}} for n, name in enumerate(("Door", " Stove ", ""))])
        stream = file.add_stream("libx264", rate=10)
        stream.width, stream.height, stream.pix_fmt = 320, 180, "yuv420p"
        for _ in range(40):
            file.mux(stream.encode(av.VideoFrame.from_image(Image.new("RGB", (320, 180)))))
        file.mux(stream.encode(None))
    found = take_playing(io.BytesIO(out.getvalue())).chapters
    assert [(one.since, one.name) for one in found] == [(0, "Door"), (1_000, "Stove"), (2_000, "3")]


def test_a_still_is_the_picture_at_a_time():
    out = io.BytesIO()
    with av.open(out, "w", format="mp4") as file:
        stream = file.add_stream("libx264", rate=10)
        stream.width, stream.height, stream.pix_fmt = 320, 180, "yuv420p"
        stream.codec_context.gop_size = 25
        for n in range(60):
            image = Image.new("L", (320, 180), 4 * n)
            file.mux(stream.encode(av.VideoFrame.from_image(image.convert("RGB"))))
        file.mux(stream.encode(None))
    data = out.getvalue()
    for at, number in ((0, 0), (100, 1), (2_450, 25), (3_100, 31), (5_900, 59), (900_000, 59)):
        image = Image.open(io.BytesIO(still_of(io.BytesIO(data), at)))
        assert image.format == "JPEG" and image.size == (320, 180)
        assert abs(image.convert("L").getpixel((160, 90)) - 4 * number) <= 4, at
    turned = film("mp4", "libx264", "aac", turn=90)
    assert Image.open(io.BytesIO(still_of(io.BytesIO(turned), 500))).size == (180, 320)
    with pytest.raises(BadPlaying):
        still_of(io.BytesIO(sound()), 0)
