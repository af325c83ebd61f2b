"""Copies of some parts of a question: they become parts of it too."""

from collections.abc import Mapping
from typing import Any

from zigzag_core.course import Question
from zigzag_core.course.questions import question as q
from zigzag_core.course.references import Identity


def more_of(
    old: Question, clipped: Question, elements: Mapping[str, str], ids: Mapping[Identity, str]
) -> Question | None:
    """Return `old` with copies of the parts in `clipped`: new `elements`, under new `ids`.

    They mean what they meant: they have the points and words, belong on the same targets. Only
    in a single choice the copy of the right answer is none. None where all of the question was
    copied, so that the copy is one of its own; `old` itself where it takes no more.
    """
    if set(q.answer_elements(old)) <= elements.keys():
        return None
    changes: dict[str, Any] = {}
    for name in q.PART_LISTS:
        have = getattr(old, name, ())
        known = {part.id: part for part in have}
        copies = [_copy(known.get(part.id, part), old, elements, ids)
                  for part in getattr(clipped, name, ())]
        if copies:
            changes[name] = (*have, *copies)
    if any(len(parts) > q.most_parts(type(old), name) for name, parts in changes.items()):
        return old
    return q.with_enough_clicks(old.model_copy(update=changes)) if changes else old


def _copy(
    part: q.Part, old: Question, elements: Mapping[str, str], ids: Mapping[Identity, str]
) -> q.Part:
    changes: dict[str, Any] = {
        "id": ids[Identity("part", part.id)], "element": elements[part.element]}
    if isinstance(part, q.Item):
        changes["to"] = tuple(ids.get(Identity("part", target), target) for target in part.to)
    if isinstance(part, q.Choice) and old.kind == "single_choice":
        changes["right"] = False
    return part.model_copy(update=changes)
