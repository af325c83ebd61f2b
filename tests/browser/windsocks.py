"""Three short films of a windsock for the demo, drawn point by point: calm, a breeze, a storm."""

import math
from pathlib import Path

import av
from PIL import Image, ImageDraw
from zigzag_core.course import MediaFile
from zigzag_core.media.digest import sha256_of
from zigzag_core.media.playing import take_playing

SIZE = (480, 270)
RATE, SECONDS = 15, 4
_FINER = 2
"""Drawn so many times as large, then made smaller: edges are smooth."""

SOCKS = {"windsock_calm": (82, 3, 0.25), "windsock_breeze": (42, 9, 0.75),
         "windsock_storm": (4, 4, 2.25)}
"""By name: how far it hangs (degrees below level), how far it swings, how often in a second."""


def make(folder: Path) -> None:
    """Write the three films, what a course knows of them, and a picture of each."""
    for name, (hangs, swings, often) in SOCKS.items():
        path = folder / f"{name}.mp4"
        with av.open(str(path), "w", format="mp4", options={"movflags": "+faststart"}) as file:
            stream = file.add_stream("libx264", rate=RATE)
            stream.width, stream.height = SIZE
            stream.pix_fmt = "yuv420p"
            stream.codec_context.options = {"preset": "slower", "crf": "24", "tune": "animation"}
            for number in range(RATE * SECONDS):
                turn = 2 * math.pi * often * number / RATE
                picture = _picture(hangs, swings, turn)
                file.mux(stream.encode(av.VideoFrame.from_image(picture)))
            file.mux(stream.encode(None))
        with path.open("rb") as content:
            found, sha256 = take_playing(content), sha256_of(content)
        told = MediaFile(
            id=name.replace("_", ""), name=f"{name.replace('_', ' ').capitalize()}.mp4",
            type="video/mp4", sha256=sha256, size=path.stat().st_size, w=found.w, h=found.h,
            duration=found.duration, soundless=found.soundless)
        path.with_suffix(".json").write_text(told.model_dump_json(indent=1) + "\n", "utf-8")
        assert found.preview
        path.with_suffix(".jpg").write_bytes(found.preview)


def _picture(hangs: float, swings: float, turn: float) -> Image.Image:
    w, h = (side * _FINER for side in SIZE)
    image = Image.new("RGB", (w, h), "#cfe0ea" if hangs > 10 else "#8d9aa6")
    draw = ImageDraw.Draw(image)
    draw.polygon([(0, h * .8), (w * .22, h * .55), (w * .45, h * .78), (w * .7, h * .5),
                  (w, h * .72), (w, h), (0, h)], "#7f97a3" if hangs > 10 else "#566470")
    draw.rectangle((0, h * .88, w, h), "#e8eef0")
    top = (w * .3, h * .18)
    draw.line((*top, top[0], h * .92), "#3d2f25", 12)
    _sock(draw, top, hangs, swings, turn)
    draw.ellipse((top[0] - 10, top[1] - 24, top[0] + 10, top[1] - 4), "#3d2f25")
    return image.resize(SIZE, Image.Resampling.LANCZOS)


def _sock(draw: ImageDraw.ImageDraw, top: tuple[float, float], hangs: float, swings: float,
          turn: float) -> None:
    """Five stripes, each swinging a little later than the one before it."""
    x, y = top
    half, length = 40.0, 74.0
    for stripe in range(5):
        angle = math.radians(hangs + swings * math.sin(turn - stripe * 0.7) * (0.4 + stripe * 0.2))
        along = (math.cos(angle), math.sin(angle))
        across = (-along[1], along[0])
        end = (x + along[0] * length, y + along[1] * length)
        ahead = half - 6
        draw.polygon([
            (x + across[0] * half, y + across[1] * half),
            (x - across[0] * half, y - across[1] * half),
            (end[0] - across[0] * ahead, end[1] - across[1] * ahead),
            (end[0] + across[0] * ahead, end[1] + across[1] * ahead),
        ], "#d9542f" if stripe % 2 == 0 else "#fffdf7")
        (x, y), half = end, ahead
