"""Pictures, videos and audio from anywhere; shipped drawings."""

import io

import av
import pytest
from PIL import Image
from zigzag_core.course import Colours
from zigzag_core.drawings import DRAWINGS
from zigzag_core.errors import BadPicture, BadPlaying
from zigzag_core.media.palette import palette
from zigzag_core.media.pictures import LARGEST, pixels_in, take_picture
from zigzag_core.media.playing import take_playing
from zigzag_core.media.recolour import is_recoloured, recoloured
from zigzag_core.media.streams import looks_like_playing

SVG = '<svg xmlns="http://www.w3.org/2000/svg" {attributes}>{body}</svg>'


def svg(body="", attributes='viewBox="0 0 40 30"'):
    return SVG.format(body=body, attributes=attributes).encode()


def picture(kind, size=(12, 8)):
    out = io.BytesIO()
    Image.new("RGB", size, "#1e5b4b").save(out, kind)
    return out.getvalue()


@pytest.mark.parametrize(("kind", "type_"), [
    ("PNG", "image/png"), ("JPEG", "image/jpeg"), ("WEBP", "image/webp"), ("GIF", "image/gif"),
])
def test_pictures_are_known_by_their_content(kind, type_):
    found = take_picture(picture(kind))
    assert (found.type, found.w, found.h) == (type_, 12, 8)


@pytest.mark.parametrize(("data", "reason"), [
    (b"", "empty"), (b"MZ\x90\x00", "not a PNG"), (b"%PDF-1.4", "not a PNG"),
    (b"\x00" * (LARGEST + 1), "larger than"), (picture("BMP"), "not a PNG"),
    (picture("PNG", (200, 200))[:-30], "damaged"),
    (b"<html><script>1</script></html>", "not a PNG"),
    (b"<svg", "well-formed"),
    (b'<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>',
     "entities"),
])
def test_what_is_no_picture_is_refused_with_a_reason(data, reason):
    with pytest.raises(BadPicture, match=reason):
        take_picture(data)


def test_pictures_of_too_many_pixels_are_refused():
    header = bytearray(picture("PNG", (1, 1)))
    header[16:24] = (60_000).to_bytes(4, "big") * 2
    with pytest.raises(BadPicture):
        take_picture(bytes(header))


@pytest.mark.parametrize("body", [
    "<script>alert(1)</script>", '<rect onclick="alert(1)" width="4" height="4"/>',
    '<a href="javascript:alert(1)"><rect width="4" height="4"/></a>',
    "<foreignObject><body xmlns='http://www.w3.org/1999/xhtml'><img src='x' onerror='alert(1)'/>"
    "</body></foreignObject>",
    '<image href="https://example.org/track.png"/>', '<use href="https://example.org/x.svg#a"/>',
    '<rect style="fill:url(https://example.org/x)"/>', "<style>@import 'https://example.org'</style>",
    '<rect style="fill:u\\72l(https://example.org/x)"/>',
    '<set attributeName="href" to="javascript:1"/>',
    '<image href="data:text/html;base64,PHNjcmlwdD4="/>',
    '<g xmlns:x="http://www.w3.org/1999/xlink"><image x:href="file:///etc/passwd"/></g>',
    '<handler xmlns="http://www.w3.org/2001/xml-events">alert(1)</handler>',
])
def test_drawings_keep_nothing_that_acts_or_fetches(body):
    clean = take_picture(svg(body + "<circle r='3'/>")).data.decode()
    for trace in ("script", "alert", "onclick", "example.org", "javascript", "foreignObject",
                  "file:", "style>", "text/html", "handler", "<set"):
        assert trace not in clean, trace
    assert "<circle" in clean


def test_drawings_keep_what_draws():
    body = ('<defs><linearGradient id="g"><stop offset="0" stop-color="#fff"/></linearGradient>'
            '</defs><rect fill="url(#g)" width="4" height="4"/><use href="#g"/>'
            '<text x="1">Wörter <tspan>hier</tspan></text>')
    found = take_picture(svg(body))
    text = found.data.decode()
    assert (found.w, found.h) == (40, 30) and take_picture(found.data).sha256 == found.sha256
    for kept in ("linearGradient", 'fill="url(#g)"', 'href="#g"', "Wörter", "tspan"):
        assert kept in text


def test_sizes_of_drawings():
    assert take_picture(svg(attributes='width="80px" height="20"')).w == 80
    assert (take_picture(svg(attributes="")).w, take_picture(svg(attributes="")).h) == (300, 150)
    assert take_picture(svg(attributes='width="1e9" height="5" viewBox="0 0 -1 9"')).w == 300


def sound(container="mp3", seconds=1):
    """A hum, made here."""
    out = io.BytesIO()
    rate = 44_100
    with av.open(out, "w", format=container) as file:
        codec = {"mp3": "mp3", "wav": "pcm_s16le", "flac": "flac"}[container]
        stream = file.add_stream(codec, rate=rate, layout="mono")
        frame = av.AudioFrame(format="s16", layout="mono", samples=rate * seconds)
        frame.planes[0].update(b"\x10\x00" * (rate * seconds))
        frame.sample_rate = rate
        for part in av.AudioResampler(stream.format.name, "mono", rate,
                                      frame_size=stream.codec_context.frame_size or None
                                      ).resample(frame):
            file.mux(stream.encode(part))
        file.mux(stream.encode(None))
    return out.getvalue()


def video(container="mp4", codec="libx264", size=(320, 180), frames=20, rate=10):
    """A changing colour, made here: two seconds, or `frames` at `rate` a second."""
    out = io.BytesIO()
    with av.open(out, "w", format=container) as file:
        stream = file.add_stream(codec, rate=rate)
        stream.width, stream.height, stream.pix_fmt = *size, "yuv420p"
        for n in range(frames):
            frame = av.VideoFrame.from_image(Image.new("RGB", size, (n * 10 % 250, 90, 80)))
            file.mux(stream.encode(frame))
        file.mux(stream.encode(None))
    return out.getvalue()


@pytest.mark.parametrize(("data", "type_"), [
    (video(), "video/mp4"), (video("webm", "libvpx-vp9"), "video/webm"), (sound(), "audio/mpeg"),
    (sound("wav"), "audio/wav"), (sound("flac"), "audio/flac"),
])
def test_videos_and_audio_are_known_by_their_content(data, type_):
    assert looks_like_playing(data)
    found = take_playing(io.BytesIO(data))
    assert found.type == type_ and 900 <= found.duration <= 2_200
    assert found.soundless == type_.startswith("video/")
    if type_.startswith("video/"):
        assert (found.w, found.h) == (320, 180)
        assert Image.open(io.BytesIO(found.preview)).size == (320, 180)
    else:
        assert found.preview is None


@pytest.mark.parametrize(("data", "reason"), [
    (video()[:700], "damaged"), (b"ID3" + b"\x00" * 4_000, "damaged"),
    (b"\x00\x00\x00\x18ftypmp42" + b"x" * 900, "damaged"),
])
def test_videos_that_cannot_be_played_are_refused_with_a_reason(data, reason):
    assert looks_like_playing(data)
    with pytest.raises(BadPlaying, match=reason):
        take_playing(io.BytesIO(data))


def test_pictures_are_not_taken_for_videos():
    for kind in ("PNG", "JPEG", "WEBP", "GIF"):
        assert not looks_like_playing(picture(kind))
    assert not looks_like_playing(svg())


def test_the_main_colours_of_a_picture_come_first():
    image = Image.new("RGB", (90, 90), "#1e5b4b")
    image.paste("#e8a33d", (0, 0, 90, 30))
    image.paste("#b4472f", (0, 30, 10, 40))
    out = io.BytesIO()
    image.save(out, "PNG")
    assert palette(out.getvalue(), "image/png") == ("#1e5b4b", "#e8a33d", "#b4472f")
    drawn = svg('<path fill="#112233"/><path fill="#112233"/><path fill="#ff0000"/>')
    assert palette(drawn, "image/svg+xml") == ("#112233", "#ff0000")
    clear = io.BytesIO()
    Image.new("RGBA", (5, 5), (0, 0, 0, 0)).save(clear, "PNG")
    assert palette(clear.getvalue(), "image/png") == ()


@pytest.mark.parametrize("drawing", DRAWINGS.values(), ids=lambda drawing: drawing.key)
def test_shipped_drawings_are_clean_and_follow_the_theme(drawing):
    data = drawing.draw()
    taken = take_picture(data).data
    assert taken.count(b"<") == data.count(b"<") or b"clipPath" in data
    assert is_recoloured(taken)
    coloured = recoloured(taken, Colours(primary="#123456", accent="#654321", soft="#abcdef"))
    assert b"var(" not in coloured
    assert any(colour in coloured for colour in (b"#123456", b"#654321", b"#abcdef"))


def test_there_is_enough_to_draw_with():
    keys = list(DRAWINGS)
    people = {tuple(key.split("-")[1:]) for key in keys if key.startswith("person-")}
    moods = {"friendly", "calm", "thoughtful", "worried", "tired", "cross", "surprised", "sad"}
    assert {mood for _, mood, *_ in people} == moods
    assert len({who for who, *_ in people}) == 12 and len(people) == 12 * 8 * 2
    assert sum(key.startswith("backdrop-") for key in keys) == 16
    portraits = {DRAWINGS[key].draw() for key in keys if key.startswith("person-")}
    assert len(portraits) == len(people)


def doubled(start, line, times=30):
    """A drawing in which each line uses the one before twice."""
    return svg(start + "".join(line.format(n=n, m=n + 1) for n in range(times)))


@pytest.mark.parametrize(("drawing", "reason"), [
    (doubled('<rect id="a0"/>', '<g id="a{m}"><use href="#a{n}"/><use href="#a{n}"/></g>'),
     "comes to more than"),
    (doubled('<pattern id="a0"/>', '<pattern id="a{m}"><rect fill="url(#a{n})"/>'
             '<rect stroke="url(#a{n})"/></pattern>'), "comes to more than"),
    (svg('<filter id="f">' + "<feTurbulence/>" * 100 + "</filter>"
         + '<rect filter="url(#f)"/>' * 100), "comes to more than"),
    (svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'), "within itself"),
    (svg("".join(f'<use id="a{n}" href="#a{n + 1}"/>' for n in range(3_000))), "nested"),
    (svg("<g>" * 220 + "</g>" * 220), "nested"),
    (svg("<rect/>" * 50_001), "more than 50,000 elements"),
    (svg(f'<path d="{"M 1 1 " * 900_000}"/>'), "larger than 5 MB"),
])
def test_drawings_that_would_stop_a_browser_are_refused(drawing, reason):
    with pytest.raises(BadPicture, match=reason):
        take_picture(drawing)


def test_drawings_may_repeat_what_is_small():
    body = '<symbol id="s"><circle r="2"/></symbol>' + '<use href="#s"/>' * 500
    assert take_picture(svg(body)).type == "image/svg+xml"


def test_the_points_of_a_picture_are_known_from_its_head():
    out = io.BytesIO()
    Image.new("RGB", (5_000, 3_000)).save(out, "PNG")
    assert pixels_in(out.getvalue()[:4_096]) == 15_000_000
    assert pixels_in(b"") == pixels_in(b"<svg/>") == 0
