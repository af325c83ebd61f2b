"""`make film`: the demo's films. The long one is made of the shipped drawings and a machine voice.

They are rendered once and kept in `demo/zigzag_demo/film`: making them takes a minute, and a
browser that draws the pictures.
"""

import base64
import io
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction
from pathlib import Path

import av
import numpy as np
from PIL import Image
from zigzag_core.course import Caption, Chapter, Colours, MediaFile
from zigzag_core.course.media import Speech, WordTime
from zigzag_core.drawings import drawing_of
from zigzag_core.media.captioning import captions_of
from zigzag_core.media.digest import sha256_of
from zigzag_core.media.loudness import levelled
from zigzag_core.media.playing import take_playing
from zigzag_core.media.recolour import recoloured
from zigzag_core.voice.encoding import samples_in
from zigzag_core.voice.espeak import speak
from zigzag_core.voice.speech import Manner

from ..running import ROOT
from .driver import chromium
from .windsocks import make

FOLDER = ROOT / "demo" / "zigzag_demo" / "film"
SIZE = (854, 480)
DRAWN = (1_280, 720)
RATE = 12
FADE, PAUSE = 0.5, 0.9
"""Seconds."""


@dataclass(frozen=True)
class Scene:
    """A picture that the film slowly goes into, and what is said meanwhile.

    `backdrop` and the `things` (key, left, top, width in px of `DRAWN`) are shipped drawings;
    icons stand on a round plate. It goes from all of it to `into`, a place and a size as shares of
    it. A `chapter` begins with it.
    """

    backdrop: str
    things: tuple[tuple[str, int, int, int], ...]
    into: tuple[float, float, float]
    words: str
    chapter: str = ""


SCENES = (
    Scene("backdrop-hut-front", (("person-edda-friendly", 820, 250, 330),), (0.45, 0.5, 0.84),
          "This is the hut on Larkspur Ridge, late on a long summer day. Edda has been the warden "
          "here for nine summers. This evening you walk with her.", "At the door"),
    Scene("backdrop-cloakroom", (), (0.3, 0.6, 0.8),
          "Behind the door is the cloakroom. Boots stay here, and so do wet ropes. Nobody walks "
          "further in boots, not even the rescue team."),
    Scene("backdrop-front-room", (("person-pell-calm-seated", 180, 330, 300),
                                  ("icon-book", 610, 300, 90)), (0.55, 0.55, 0.82),
          "In the front room lies the hut book. Read the last page before you do anything else. "
          "Who is still out, and on which way?"),
    Scene("backdrop-drying-room", (), (0.65, 0.5, 0.8),
          "Next door the stove is burning. Warm air rises, so jackets hang high, and boots stand "
          "far away from the heat. Glue melts sooner than leather dries.", "The stove"),
    Scene("backdrop-front-room", (("icon-warning", 640, 300, 90),), (0.62, 0.55, 0.78),
          "Look at the logs. As long as they are glowing, the air slide stays open. A stove that "
          "is closed too early fills the room with a gas that nobody can smell."),
    Scene("backdrop-kitchen", (("person-suna-calm", 120, 270, 330),), (0.4, 0.55, 0.8),
          "The kitchen comes third. Suna has put a lid on the soup, so it is still warm at ten. "
          "One bowl is always kept for whoever arrives late.", "The kitchen"),
    Scene("backdrop-kitchen", (("icon-thermometer", 120, 420, 90), ("icon-mug", 270, 420, 90)),
          (0.5, 0.6, 0.8),
          "Water from the spring is boiled, every time. Fill the flasks now: in the morning all "
          "want tea at once."),
    Scene("backdrop-bunk-room", (), (0.4, 0.5, 0.82),
          "Last come the bunks. Count the heads, quietly, and hold them against the hut book. If "
          "one is missing, count again before you wake anybody.", "Lamps out"),
    Scene("backdrop-radio-room", (), (0.5, 0.5, 0.8),
          "Is somebody still out? Then you sit down at the radio, and you say where, what, how "
          "many, and who you are."),
    Scene("backdrop-ridge-night", (), (0.5, 0.6, 0.84),
          "And if all are in, the lamp goes out, and the door stays on the latch. Somebody may "
          "still come over the ridge tonight. Sleep well."),
)


def main() -> None:
    FOLDER.mkdir(exist_ok=True)
    make(FOLDER)
    stills = _stills()
    parts, starts, words, times = [], [], [], []
    at, rate = 0.0, 0
    for scene in SCENES:
        starts.append(at)
        speech = speak(scene.words, Manner("en", "low1", speed=128))
        rate = speech.rate
        begins = round((at + FADE) * 1_000)
        words.append(scene.words)
        times += [WordTime(since=begins + since, until=begins + until)
                  for since, until in speech.times]
        length = FADE + speech.duration / 1_000 + PAUSE
        part = np.zeros(round(length * rate), np.float32)
        said = samples_in(speech)
        part[round(FADE * rate):][:len(said)] = said
        parts.append(part)
        at += length
    sound = levelled(np.concatenate(parts), rate)
    path = FOLDER / "evening_round.mp4"
    _encode(path, _frames(stills, [*starts, at]), sound, rate)
    speech_ = Speech(words=" ".join(words), by_machine=True, times=tuple(times))
    _describe(path, speech_, starts)
    print(f"{path.name}: {at:.0f} s, {path.stat().st_size:,} bytes")


def _stills() -> list[Image.Image]:
    """Draw each scene, in the colours of the first theme."""
    browser = chromium(*DRAWN)
    found = []
    try:
        for scene in SCENES:
            things = "".join(
                f'<img class="{key[:4]}" src="{_address(key)}" '
                f'style="left:{x}px;top:{y}px;width:{w}px">'
                for key, x, y, w in scene.things)
            page = (f'<style>*{{margin:0}}img{{position:absolute}}.icon{{background:#fffefa;'
                    f'border:5px solid #1e5b4b;border-radius:50%;padding:20px}}</style>'
                    f'<img src="{_address(scene.backdrop)}" style="width:100%;height:100%">'
                    f'{things}')
            browser.get("data:text/html;base64," + base64.b64encode(page.encode()).decode())
            browser.execute_async_script("""
                const done = arguments[0];
                Promise.all([...document.images].map(i => i.decode())).then(() => done());""")
            shot = Image.open(io.BytesIO(browser.get_screenshot_as_png())).convert("RGB")
            found.append(shot.resize(DRAWN))
    finally:
        browser.quit()
    return found


def _address(key: str) -> str:
    drawing = recoloured(drawing_of(key)[1], Colours())
    return "data:image/svg+xml;base64," + base64.b64encode(drawing).decode()


def _frames(stills: list[Image.Image], starts: list[float]) -> Iterator[Image.Image]:
    """All pictures of the film: each scene from its start to the next one, faded over."""
    for number in range(round(starts[-1] * RATE)):
        at = number / RATE
        scene = max(n for n, start in enumerate(starts[:-1]) if start <= at)
        picture = _seen(stills, starts, scene, at)
        since = at - starts[scene]
        if scene and since < FADE:
            picture = Image.blend(_seen(stills, starts, scene - 1, at), picture, since / FADE)
        yield picture


def _seen(stills: list[Image.Image], starts: list[float], scene: int, at: float) -> Image.Image:
    share = min((at - starts[scene]) / (starts[scene + 1] - starts[scene] + FADE), 1)
    share = share * share * (3 - 2 * share)
    x, y, size = SCENES[scene].into
    side = 1 + (size - 1) * share
    left, top = ((1 - side) * place for place in (x, y))
    w, h = DRAWN
    box = (left * w, top * h, (left + side) * w, (top + side) * h)
    return stills[scene].resize(SIZE, Image.Resampling.BICUBIC, box)


def _encode(path: Path, frames: Iterator[Image.Image], sound: np.ndarray, rate: int) -> None:
    with av.open(str(path), "w", format="mp4", options={"movflags": "+faststart"}) as file:
        pictures = file.add_stream("libx264", rate=RATE)
        pictures.width, pictures.height = SIZE
        pictures.pix_fmt = "yuv420p"
        pictures.codec_context.gop_size = RATE * 4
        pictures.codec_context.options = {"preset": "slower", "crf": "27", "tune": "animation"}
        heard = file.add_stream("aac", rate=24_000, layout="mono")
        heard.bit_rate = 40_000
        for image in frames:
            file.mux(pictures.encode(av.VideoFrame.from_image(image)))
        file.mux(pictures.encode(None))
        frame = av.AudioFrame.from_ndarray(sound[None], format="flt", layout="mono")
        frame.sample_rate = rate
        frame.pts, frame.time_base = 0, Fraction(1, rate)
        file.mux(heard.encode(frame))
        file.mux(heard.encode(None))


def _describe(path: Path, speech: Speech, starts: list[float]) -> None:
    """Write what a course knows of the film, and a picture of it."""
    with path.open("rb") as content:
        found, sha256 = take_playing(content), sha256_of(content)
    chapters = tuple(Chapter(since=int(start) * 1_000, name=scene.chapter)
                     for scene, start in zip(SCENES, starts, strict=True) if scene.chapter)
    captions: tuple[Caption, ...] = captions_of(speech)
    file = MediaFile(
        id="eveninground", name="Evening round.mp4", type="video/mp4", sha256=sha256,
        size=path.stat().st_size, w=found.w, h=found.h, duration=found.duration,
        captions=captions, chapters=chapters, speech=speech, loudness=found.loudness)
    path.with_suffix(".json").write_text(file.model_dump_json(indent=1) + "\n", "utf-8")
    assert found.preview
    path.with_suffix(".jpg").write_bytes(found.preview)


if __name__ == "__main__":
    main()
