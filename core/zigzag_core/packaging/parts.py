"""A program in parts: what the first slide needs comes first, whatever the number of slides.

The first part is a program of which the slides to come have only their ids and titles, and their
questions only what scores need. Further parts bring slides, questions and sets, in the order of
the course; the last one brings what saved progress may name. `web/player/app/arrival.ts` puts
them together again.
"""

import base64
import json
import zlib
from collections.abc import Iterable, Iterator, Sequence
from typing import Any

from .incremental import CompiledCourse, CompiledSlide, with_lists

FIRST = 40_000
"""So many characters of slides come with the first part, but one slide at least."""
GROWTH = 5
"""Each part is so many times longer than the one before."""

Fields = dict[str, Any]


def in_parts(compiled: CompiledCourse) -> list[str]:
    """Return the parts of a compiled course's program, each as JSON."""
    first, *rest = _groups(compiled.slides)
    if not rest:
        return [compiled.program]
    around: Fields = json.loads(compiled.around)
    media, remembered = around.pop("media", {}), around.pop("remembered")
    later = [slide for group in rest for slide in group]
    late = {name for slide in later for name in slide.media}
    late -= {name for slide in first for name in slide.media}
    around |= {"remembered": {}, "media": {k: v for k, v in media.items() if k not in late}}
    lists = _lists(first)
    lists["slides"] += [_json({"id": slide.id, "title": slide.title}) for slide in later]
    lists["questions"] += [
        _json(_outline(json.loads(text))) for slide in later for text in slide.questions]
    parts = [with_lists(_json(around), lists)]
    for group in rest:
        names = late & {name for slide in group for name in slide.media}
        late -= names
        fields: Fields = {"media": {name: media[name] for name in names if name in media}}
        if group is rest[-1]:
            fields["remembered"] = remembered
        parts.append(with_lists(_json(fields), _lists(group)))
    return parts


def deflated(text: str) -> str:
    """Return `text` deflated (RFC 1951) in base64 (RFC 4648): most LMSs compress nothing."""
    packer = zlib.compressobj(6, wbits=-15)
    return base64.b64encode(packer.compress(text.encode()) + packer.flush()).decode()


def _groups(slides: Iterable[CompiledSlide]) -> Iterator[list[CompiledSlide]]:
    group: list[CompiledSlide] = []
    length, most = 0, FIRST
    for slide in slides:
        if group and length + len(slide.program) > most:
            yield group
            group, length, most = [], 0, most * GROWTH
        group.append(slide)
        length += len(slide.program)
    yield group


def _lists(group: Sequence[CompiledSlide]) -> dict[str, list[str]]:
    return {
        "slides": [slide.program for slide in group],
        "questions": [text for slide in group for text in slide.questions],
        "sets": [text for slide in group for text in slide.sets],
    }


def _outline(question: Fields) -> Fields:
    """What a score needs of a question: whether anything can be right in it, and its points."""
    parts = question.get("parts", ())
    judged = any(part.get("right") or "accepts" in part for part in parts)
    kept = ("id", "slide", "form", "purpose", "points", "attempts")
    return {**{name: question[name] for name in kept}, "parts": [
        {"id": "part", "right": [""] if judged else []} for _ in parts[:1]]}


def _json(value: Fields) -> str:
    return json.dumps(value, ensure_ascii=False, separators=(",", ":"))
