"""Checks of places and times: what lies over what, and what is gone before it can be read."""

from collections.abc import Iterator

from zigzag_core.course import Area, Button, Element, Shape, Slide, Text, Video, plain
from zigzag_core.course.rules.timing import Timing

from .finding import Finding

COVERED = 0.6
"""More than this share of a drag target under something else is covered."""
CONTROLS = 56
"""So high (px) are the controls of a video, at its bottom."""
LETTERS_A_SECOND = 18
"""A quick reader's pace."""


def place_findings(slide: Slide) -> Iterator[Finding]:
    """Yield what is in the way of something on `slide`, and what leaves too soon."""
    by_id = {element.id: element for element in slide.elements}
    targets = {t for e in slide.elements if e.drag for t in e.drag.targets if t in by_id}
    moved = {e.id for e in slide.elements if e.drag}
    for target in sorted(targets):
        below = by_id[target]
        for above in slide.elements:
            if above.id in moved or not _over(above, below) or isinstance(above, Text):
                continue
            if _share(above, below) > COVERED:
                yield Finding(
                    level="warning", code="target_covered", slide=slide.id, element=target,
                    message=f"“{above.name}” covers “{below.name}”, which items are to be "
                            "dropped on.",
                )
    for video in slide.elements:
        if isinstance(video, Video) and video.controls:
            strip = video.model_copy(update={
                "y": video.y + max(video.h - CONTROLS, 0), "h": min(CONTROLS, video.h),
            })
            for above in slide.elements:
                if isinstance(above, Area | Button | Shape) and _over(above, video) and (
                    _share(above, strip) > 0.2
                ):
                    yield Finding(
                        level="warning", code="controls_covered", slide=slide.id, element=above.id,
                        message=f"“{above.name}” lies over the controls of “{video.name}”.",
                    )
    for timing in (slide.timing, *(overlay.timing for overlay in slide.overlays)):
        yield from _too_short(timing, by_id, slide)


def _too_short(timing: Timing, by_id: dict[str, Element], slide: Slide) -> Iterator[Finding]:
    for cue in timing.cues:
        element = by_id.get(cue.what or "")
        if cue.does != "appear" or cue.until is None or not isinstance(element, Text | Shape):
            continue
        needed = len(plain(element.text)) / LETTERS_A_SECOND
        shown = (cue.until - cue.at) / 1000
        if needed > 1 and 0 <= shown < needed:
            yield Finding(
                level="warning", code="too_short_to_read", slide=slide.id, element=element.id,
                message=f"“{element.name}” is shown for {shown:.1f} s, but takes about "
                        f"{needed:.0f} s to read.",
            )


def _over(above: Element, below: Element) -> bool:
    """Whether one element is drawn over another on the same overlay, or the slide."""
    return above.id != below.id and above.z > below.z and above.overlay == below.overlay \
        and above.kind != "group" and above.group != below.id and below.group != above.id


def _share(above: Element, below: Element) -> float:
    """The share (0..1) of one box that another covers."""
    w = min(above.x + above.w, below.x + below.w) - max(above.x, below.x)
    h = min(above.y + above.h, below.y + below.h) - max(above.y, below.y)
    area = below.w * below.h
    return max(w, 0) * max(h, 0) / area if area else 0.0
