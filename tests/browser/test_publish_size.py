"""The size of the media in Publish, and what makes a package smaller."""

import io

import av
import numpy as np
from zigzag_core.course import Video

from tests.core.making import course, slide

from .packages import imported
from .test_package_media import media_file


def _noise():
    """Three seconds of noise, which no codec makes small by itself."""
    out, points = io.BytesIO(), np.random.default_rng(7)
    with av.open(out, "w", format="mp4") as file:
        stream = file.add_stream("libx264", rate=10)
        stream.width, stream.height, stream.pix_fmt = 640, 360, "yuv420p"
        stream.codec_context.options = {"crf": "12", "preset": "ultrafast"}
        for _ in range(30):
            image = points.integers(0, 256, (360, 640, 3), np.uint8)
            file.mux(stream.encode(av.VideoFrame.from_ndarray(image, format="rgb24")))
        file.mux(stream.encode(None))
    return out.getvalue()


def test_what_would_save_most_is_told_and_made_small(page, server):
    data = _noise()
    file = media_file("tourfile", data)
    shown = Video(id="tour", name="Tour", alt="The kitchen", media=file.id, x=80, y=80, w=640,
                  h=360)
    slug = imported(server, course(slide("slidea", shown), media=(file,)), {file.sha256: data})
    page.go(f"/courses/{slug}/publish")
    page.see("In the quality “small” it would have")
    page.press("Make it small")

    def kept():
        return page.call("GET", f"/courses/{slug}")["course"]["media"][0]

    page.until(lambda: kept()["size"] < len(data) / 4, "the video to be small", patience=90)
    assert kept()["soundless"]
    page.until(lambda: "In the quality “small”" not in page.find("main").text)
