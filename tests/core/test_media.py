"""Pictures from anywhere."""

import io

import pytest
from PIL import Image
from zigzag_core.media.pictures import LARGEST, BadPicture, take_picture

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
