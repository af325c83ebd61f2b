"""Parts of a question pasted as a table: a row for each, its words first, then what it means."""

from collections.abc import Sequence
from typing import Any

from zigzag_core.course import IdSource, Slide, SlideSize, plain, rich
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.new_questions import sample_words
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.errors import CannotAsk

from ..removing import without
from .parts import asked_on, with_parts, with_question, with_text

Rows = Sequence[Sequence[str]]

_RIGHT = {"x", "✓", "✔", "yes", "y", "true", "right", "1", "+"}
_WRONG = {"", "-", "✕", "✗", "no", "n", "false", "wrong", "0"}


def with_table(
    slide: Slide, question: str, where: str, at: int, rows: Rows, fresh: IdSource,
    size: SlideSize = SlideSize(),
) -> Slide:
    """Return `slide` with `rows` of cells as the parts of a question from the one numbered `at` on
    (from 0), as many more as are needed.

    The first cell is what the part says. Of answers and places, a further column of marks (x,
    yes, right …) says which are right, one of numbers their points, one of words what is said to
    each. The further cells of an item name the targets that it belongs on; there are new ones for
    those that are not there yet. Parts that a whole table says nothing of go if they still say
    what new ones do. Raises `CannotAsk` where there is no such list.
    """
    asked = asked_on(slide, question)
    if where not in q.PART_LISTS or not getattr(asked, where, ()):
        raise CannotAsk("There is no part yet that another could look like.")
    have = len(getattr(asked, where))
    at = min(at, have)
    lines = _lines(rows)[: max(q.most_parts(type(asked), where) - at, 0)]
    slide = _worded(slide, asked, where, at, [line[0] for line in lines], have, fresh, size)
    if at == 0 and len(lines) > 1:
        slide = _without_samples(slide, question, where, len(lines))
    columns = [
        [line[n] if n < len(line) else "" for line in lines]
        for n in range(1, max(map(len, lines), default=1))
    ]
    if where in ("choices", "spots"):
        return _meant(slide, question, where, at, columns)
    if where == "items" and hasattr(asked, "targets"):
        return _placed(slide, question, at, [line[1:] for line in lines], fresh, size)
    return slide


def _without_samples(slide: Slide, question: str, where: str, first: int) -> Slide:
    """The slide without the parts from the one numbered `first` on of which nobody has written
    yet what they say: a whole table is all of them."""
    asked = asked_on(slide, question)
    samples, words = sample_words(asked.kind), all_spoken(slide.elements)
    return without(slide, [part.element for part in getattr(asked, where)[first:]
                           if words[part.element] in samples])


def left_out(slide: Slide, question: str, where: str, at: int, rows: Rows) -> int:
    """Return how many of `rows` find no place in a question that has no room for more parts."""
    asked = asked_on(slide, question)
    first = min(at, len(getattr(asked, where)))
    return max(first + len(_lines(rows)) - q.most_parts(type(asked), where), 0)


def _lines(rows: Rows) -> list[list[str]]:
    """The cells of the rows in which there is anything."""
    return [[cell.strip() for cell in row] for row in rows if any(cell.strip() for cell in row)]


def _worded(
    slide: Slide, asked: q.Question, where: str, at: int, words: Sequence[str], have: int,
    fresh: IdSource, size: SlideSize,
) -> Slide:
    for part, text in zip(getattr(asked, where)[at:], words, strict=False):
        slide = with_text(slide, part.element, text)
    more = words[max(have - at, 0):]
    return with_parts(slide, asked.id, where, more, fresh, size)[0] if more else slide


def _meant(slide: Slide, question: str, where: str, at: int, columns: list[list[str]]) -> Slide:
    """What the columns say of answers or places: right or not, points, words."""
    asked: Any = asked_on(slide, question)
    parts = list(getattr(asked, where))
    changes: dict[str, Any] = {}
    for column in columns:
        name, values = _column(column, where)
        for index, value in enumerate(values, at):
            if name:
                parts[index] = parts[index].model_copy(update={name: value})
        if name == "points":
            changes["partial"] = "per_answer"
    if asked.kind in ("single_choice", "true_false"):
        right = [n for n, part in enumerate(parts) if part.right]
        # The one that the table marks is it, even where another one was before.
        one = next((n for n in right if n >= at), right[0] if right else 0)
        parts = [p.model_copy(update={"right": n == one}) for n, p in enumerate(parts)]
    meant = asked.model_copy(update={**changes, where: tuple(parts)})
    return with_question(slide, q.with_enough_clicks(meant))


def _column(cells: list[str], where: str) -> tuple[str, list[Any]]:
    lowered = [cell.lower() for cell in cells]
    if all(cell in _RIGHT | _WRONG for cell in lowered) and any(lowered):
        return "right", [cell in _RIGHT for cell in lowered]
    if where == "choices" and any(lowered):
        try:
            return "points", [float(cell.replace(",", ".") or 0) for cell in lowered]
        except ValueError:
            pass
    return ("says", [rich(cell) for cell in cells]) if any(lowered) else ("", [])


def _placed(
    slide: Slide, question: str, at: int, cells: Sequence[Sequence[str]], fresh: IdSource,
    size: SlideSize,
) -> Slide:
    """Items on the targets that their cells name."""
    wanted = _not_opposite([[cell for cell in row if cell] for row in cells])
    if not wanted:
        return slide
    asked: Any = asked_on(slide, question)
    untouched = at == 0 and len(cells) >= len(asked.items)
    names = _targets_called(slide, asked.targets)
    new = [words for words in wanted if words.lower() not in names]
    if untouched:
        # A whole table: targets of which it says nothing are taken for its new ones.
        named = {words.lower() for words in wanted}
        free = [t for t in asked.targets if _text_of(slide, t).lower() not in named]
        for target, words in zip(free, list(new), strict=False):
            slide = with_text(slide, target.element, words)
            new.remove(words)
        slide = _without_samples(slide, question, "targets", 0)
    if new and asked.targets:
        slide, _ = with_parts(slide, question, "targets", new, fresh, size)
    asked = asked_on(slide, question)
    names = _targets_called(slide, asked.targets)
    items = list(asked.items)
    for index, row in enumerate(cells, at):
        to = tuple(dict.fromkeys(names[c.lower()] for c in row if c.lower() in names))
        items[index] = items[index].model_copy(update={"to": to})
    targets = tuple(
        t.model_copy(update={"takes": None})
        if t.takes is not None and sum(i.to == (t.id,) for i in items) > t.takes else t
        for t in asked.targets)
    return with_question(slide, asked.model_copy(update={
        "items": tuple(items), "targets": targets}))


def _not_opposite(rows: Sequence[Sequence[str]]) -> list[str]:
    """The targets that `rows` name, each once; by the alphabet where things and targets are pairs,
    or it would be seen from where they stand what belongs together."""
    named = [cell for row in rows for cell in row]
    wanted = list(dict.fromkeys(named))
    if len(wanted) < 2 or len(named) != len(wanted) or any(len(row) > 1 for row in rows):
        return wanted
    ordered = sorted(wanted, key=str.casefold)
    return ordered if ordered != wanted else [*ordered[1:], ordered[0]]


def _targets_called(slide: Slide, targets: Sequence[q.Target]) -> dict[str, str]:
    return {_text_of(slide, target).lower(): target.id for target in targets}


def _text_of(slide: Slide, target: q.Target) -> str:
    element = next(e for e in slide.elements if e.id == target.element)
    text = getattr(element, "text", None)
    return plain(text) if text and plain(text) else all_spoken(slide.elements)[element.id]
