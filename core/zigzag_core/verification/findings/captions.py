"""Checks of captions: whether they fit what plays, and can be read."""

from collections.abc import Iterator, Mapping

from zigzag_core.course import Audio, MediaFile, Slide, Video
from zigzag_core.course.reading_speed import SPEED, letters_a_second, too_fast

from .finding import Finding


def caption_findings(slide: Slide, media: Mapping[str, MediaFile]) -> Iterator[Finding]:
    """Yield captions on `slide` that begin when all is over, or that go too fast to be read.

    `media` are the files of the course by their ids.
    """
    for element in slide.elements:
        file = media.get(element.media or "") if isinstance(element, Video | Audio) else None
        if file is None:
            continue
        late = [one for one in file.captions if file.duration and one.since >= file.duration]
        fast = too_fast(file.captions)
        if late:
            yield Finding(
                level="warning", code="captions_late", slide=slide.id, element=element.id,
                message=f"“{element.name}” has captions after its end ({len(late)} of "
                        f"{len(file.captions)}).")
        if fast:
            most = max(map(letters_a_second, fast))
            yield Finding(
                level="warning", code="captions_fast", slide=slide.id, element=element.id,
                message=f"“{element.name}” has captions that go too fast ({len(fast)} of "
                        f"{len(file.captions)}): {most:.0f} characters a second at most; {SPEED} "
                        "can be read.")
