"""Turning a question into one of another kind, with all that can be kept."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any

from zigzag_core.course import Element, IdSource, Picture, Shape, Slide, SlideSize, Text
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import DESCRIPTORS, QuestionKind, of_form
from zigzag_core.course.questions.new_questions import new_question
from zigzag_core.course.style.theme import NamedStyle
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.course.text.numbers import in_digits, number_in
from zigzag_core.course.text.rich_text import BlankRun, Block, RichText, TextRun, plain, rich
from zigzag_core.course.text.spoken import all_spoken

from ..removing import without
from .fitting import SIDE, with_room
from .grid import AIR
from .parts import asked_on, with_parts, with_question, with_text
from .placement import beside, fitted

_CHOOSING = of_form("choose")
_LISTS: dict[str, str] = {
    **dict.fromkeys(_CHOOSING, "choices"), "ordering": "items", "matching": "items",
    "drag_to_target": "items", "hotspot": "spots", "rating_scale": "rows",
}
_PAIRS = of_form("pairs")
_SAME_PARTS = (
    {*_CHOOSING, "ordering", "matching", "drag_to_target"},
    {"short_text", "numeric", "open_answer"},
)
"""Kinds whose answers can be the same elements."""

_NOTHING = RichText()
_BETWEEN = 40
_LEAST = 240
"""No narrower (px) is a target, or what stands beside one."""


@dataclass(frozen=True)
class _Content:
    """One answer in words, whether it is right, and what it is told when given."""

    words: str
    right: bool = True
    feedback: RichText = _NOTHING


@dataclass(frozen=True)
class _Kept:
    """A part that stays with its element, and what it said."""

    id: str
    element: str
    content: _Content


def keeps_elements(old: str, new: str) -> bool:
    """Return whether a question of the kind `old` keeps its elements as one of the kind `new`;
    else it keeps its words."""
    return any(old in kinds and new in kinds for kinds in _SAME_PARTS)


def converted(
    slide: Slide, question: str, kind: QuestionKind, fresh: IdSource,
    styles: tuple[NamedStyle, ...] = USUAL_STYLES, size: SlideSize = SlideSize(),
) -> Slide:
    """Return `slide` with one of its questions turned into another kind.

    What asks it, its buttons, points, attempts and feedback are kept, and what is right as far
    as the kind can say it: with its elements where they can be the parts of the new kind, else
    by the words of the answers. Raises `CannotAsk` where the question is gone.
    """
    old = asked_on(slide, question)
    if old.kind == kind:
        return slide
    content = list(_contents(old, slide))
    if keeps_elements(old.kind, kind):
        turned = _with_kept(slide, old, kind, content, fresh, styles, size)
    else:
        turned = _with_new(slide, old, kind, content, fresh, styles, size)
    return with_room(turned, question, size)


def _contents(old: q.Question, slide: Slide) -> Iterable[_Content]:
    words = all_spoken(slide.elements)
    match old:
        case q.FillBlanks():
            for blank in old.blanks:
                yield from (_Content(word) for word in blank.accepts.words[:1])
                yield from (_Content(word, right=False) for word in blank.others)
        case q.ShortText() | q.Numeric():
            yield from (_Content(word) for word in old.accepts.words)
            yield from (_Content(in_digits(r.low)) for r in old.accepts.ranges)
            yield from (_Content(in_digits(near.value)) for near in old.accepts.near)
        case q.OpenAnswer():
            yield from (_Content(line) for line in plain(old.model).split("\n") if line.strip())
        case q.SingleChoice() | q.MultipleResponse() | q.TrueFalse() | q.Hotspot():
            parts = old.spots if isinstance(old, q.Hotspot) else old.choices
            yield from (_Content(words[part.element], part.right, part.says) for part in parts)
        case q.Matching() | q.DragToTarget():
            # Of what belongs somewhere the words are told when it is not there: another meaning.
            yield from (
                _Content(words[item.element], bool(item.to), RichText() if item.to else item.says)
                for item in old.items)
        case q.Ordering():
            yield from (_Content(words[item.element]) for item in old.items)
        case q.RatingScale():
            yield from (_Content(words[row.element]) for row in old.rows)


def _common(old: q.Question, kind: QuestionKind) -> dict[str, Any]:
    """What every kind has, as far as it makes sense for `kind`: points and rows of parts only
    where these are the same."""
    common = {name: getattr(old, name) for name in q.QuestionBase.model_fields}
    if not any(old.kind in kinds and kind in kinds for kinds in (_CHOOSING, _PAIRS)):
        common["table"] = ()
        common["partial"] = "none" if old.partial == "per_answer" else old.partial
    if kind == "rating_scale":
        common["purpose"] = "survey"
    elif old.kind == "rating_scale":
        common["purpose"] = "scored"
    return common


def _with_kept(
    slide: Slide, old: q.Question, kind: QuestionKind, content: list[_Content], fresh: IdSource,
    styles: tuple[NamedStyle, ...], size: SlideSize,
) -> Slide:
    """The question with its elements as parts of another kind; targets come or go."""
    common = _common(old, kind)
    if old.kind in _SAME_PARTS[1]:
        new: Any = DESCRIPTORS[kind].model.model_validate(
            {**common, "field": getattr(old, "field", None)})
        if isinstance(old, q.ShortText | q.Numeric) and isinstance(new, q.ShortText | q.Numeric):
            accepts = old.accepts if kind == "short_text" else _numbers_of(old.accepts)
            return with_question(slide, new.model_copy(update={"accepts": accepts}))
        return with_question(slide, _filled(new, content, None))
    if old.kind in _PAIRS and kind in _PAIRS:
        assert isinstance(old, q.Matching | q.DragToTarget)
        made: Any = DESCRIPTORS[kind].model.model_validate(
            {**common, "items": old.items, "targets": old.targets})
        return with_question(slide, made)
    parts = [_Kept(part.id, part.element, one)
             for part, one in zip(getattr(old, _LISTS[old.kind]), content, strict=True)]
    if kind in _CHOOSING:
        slide = _without_targets(slide, old)
        made = DESCRIPTORS[kind].model.model_validate(
            {**common, "choices": _choices(old, parts, kind)})
        return with_question(slide, made)
    if kind == "ordering":
        slide = _without_targets(slide, old)
        return with_question(slide, q.Ordering(**common, items=tuple(
            q.InOrder(id=part.id, element=part.element)
            for part in parts[:q.most_parts(q.Ordering, "items")])))
    return _with_targets(slide, DESCRIPTORS[kind].model, common, parts, fresh, styles, size)


def _choices(
    old: q.Question, parts: list[_Kept], kind: QuestionKind
) -> tuple[q.Choice, ...]:
    parts = parts[:q.most_parts(DESCRIPTORS[kind].model, "choices")]
    right = [part.content.right for part in parts]
    if kind != "multiple_response":
        first = right.index(True) if True in right else 0
        right = [n == first for n in range(len(parts))]
    before = {c.id: c for c in getattr(old, "choices", ())}
    return tuple(
        before.get(part.id, q.Choice(id=part.id, element=part.element, says=part.content.feedback))
        .model_copy(update={"right": is_right})
        for part, is_right in zip(parts, right, strict=True))


def _without_targets(slide: Slide, old: q.Question) -> Slide:
    return without(slide, [target.element for target in getattr(old, "targets", ())])


def _with_targets(
    slide: Slide, kind: type[q.QuestionBase], common: dict[str, Any],
    parts: list[_Kept], fresh: IdSource, styles: tuple[NamedStyle, ...],
    size: SlideSize,
) -> Slide:
    """Items with new targets beside them: one for all that is right, in a *matching* one each."""
    matching = kind is q.Matching
    made, model = new_question("matching" if matching else "drag_to_target", fresh, styles)
    assert isinstance(model, q.Matching | q.DragToTarget)
    wanted = [part for part in parts if part.content.right or matching]
    look = next(e for e in made if e.id == model.targets[0].element)
    right = size.w - SIDE
    own = {part.element for part in parts}
    slide = _narrowed(slide, own, right - look.w - _BETWEEN)
    box = around(box_of(e) for e in slide.elements if e.id in own)
    top = max((e.z for e in slide.elements), default=0) + 1
    x, y = box.right + _BETWEEN, box.y
    if x + _LEAST > right:
        x, y = box.x, box.bottom + _BETWEEN
    w, h = min(look.w, right - x), look.h if matching or y > box.y else max(look.h, box.h)
    boxes, targets, to = [], [], {}
    wanted = wanted if matching else wanted[:1]
    for n, part in enumerate(wanted):
        # Not opposite each other, or the places would give it away.
        row = (n + 1) % len(wanted)
        says = f"Belongs to “{part.content.words}”" if matching else "Belongs here"
        boxes.append(look.model_copy(update={
            "id": fresh(), "name": f"Target {n + 1}", "text": rich(says), "x": x, "w": w,
            "y": y + row * (h + 16), "h": h, "z": top + n}))
        targets.append(q.Target(id=fresh(), element=boxes[-1].id, takes=1 if matching else None))
        to[part.id] = targets[-1].id
    if not matching and targets:
        to = {part.id: targets[0].id for part in parts if part.content.right}
    items = tuple(
        q.Item(id=part.id, element=part.element, to=(to[part.id],)) if part.id in to
        else q.Item(id=part.id, element=part.element, says=part.content.feedback)
        for part in parts)
    grown = slide.model_copy(update={"elements": (*slide.elements, *boxes)})
    asked: Any = kind.model_validate({**common, "items": items, "targets": tuple(targets)})
    return with_question(grown, asked)


def _narrowed(slide: Slide, names: set[str], end: float) -> Slide:
    """The slide with texts in a column so narrow that they end at `end` px, where they can."""
    column = [e for e in slide.elements if e.id in names]
    most = end - min(e.x for e in column)
    if len({e.x for e in column}) > 1 or not all(isinstance(e, Text | Shape) for e in column):
        return slide
    return slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"w": min(e.w, max(most, _LEAST))}) if e.id in names else e
        for e in slide.elements)})


def _with_new(
    slide: Slide, old: q.Question, kind: QuestionKind, content: list[_Content], fresh: IdSource,
    styles: tuple[NamedStyle, ...], size: SlideSize,
) -> Slide:
    """The question with new elements in the place of its old ones, and their words in them."""
    made, model = new_question(kind, fresh, styles)
    answers = set(q.answer_elements(old))
    ground = next((e for e in slide.elements if e.id == getattr(old, "on", None)), None)
    if isinstance(ground, Picture) and ground.media is None:
        # A place for a picture that never came is no picture.
        answers.add(ground.id)
    others = tuple(other for other in slide.questions if other.id != old.id)
    left = without(slide.model_copy(update={"questions": others}), answers)
    stay = {e.id for e in left.elements}
    common = {name: None if name in q.SINGLE_PARTS and value not in stay else value
              for name, value in _common(old, kind).items()}
    own = {model.submit, model.prompt if common["prompt"] else None}
    elements = [e for e in made if e.id not in own]
    first = next(n for n, e in enumerate(slide.elements) if e.id in answers)
    frame = around(box_of(e) for e in slide.elements if e.id in answers)
    overlay = slide.elements[first].overlay
    top = max(e.z for e in slide.elements) + 1
    kept = box_of(ground) if ground and ground.id not in answers else None
    here = _place_for(elements, frame, kept, size)
    elements = [e.model_copy(update={"z": top + n, "overlay": overlay})
                for n, e in enumerate(fitted(elements, here))]
    common["prompt"] = common["prompt"] or model.prompt
    slide = left.model_copy(update={
        "elements": (*left.elements[:first], *elements, *left.elements[first:])})
    filled = _filled(model.model_copy(update=common), content, _accepts(old))
    slide = with_question(slide, filled)
    return _buttons_follow(_with_words(slide, old.id, content, fresh, size), old.id, frame.bottom)


def _buttons_follow(slide: Slide, question: str, before: float) -> Slide:
    """The slide with buttons that stood right below the parts of a question, which ended at
    `before` (px), right below those that it has now."""
    asked = asked_on(slide, question)
    parts = set(q.answer_elements(asked))
    now = around(box_of(e) for e in slide.elements if e.id in parts).bottom
    names = {asked.submit, asked.reset}
    near = [e for e in slide.elements if e.id in names and 0 <= e.y - before <= 2 * AIR]
    by = {e.id: e.model_copy(update={"y": e.y + now - before}) for e in near}
    return slide.model_copy(update={"elements": tuple(by.get(e.id, e) for e in slide.elements)})


def _place_for(
    elements: Sequence[Element], frame: Box, kept: Box | None, size: SlideSize
) -> Box:
    """Where new elements go: from the `place` of the old ones on, beside a picture that stays."""
    own = around(map(box_of, elements))
    free = beside(kept, size) if kept else None
    if free:
        return free
    right = size.w - SIDE
    x = max(min(frame.x, right - own.w), SIDE)
    return Box(x, min(frame.y, max(size.h - own.h, 0)), right - x, own.h)


def _accepts(old: q.Question) -> q.Accepts | None:
    """All that `old` accepts, where that can be said of one answer."""
    match old:
        case q.ShortText() | q.Numeric():
            return old.accepts
        case q.FillBlanks(blanks=(blank,)):
            return blank.accepts
    return None


def _filled(new: q.Question, content: list[_Content], accepts: q.Accepts | None) -> q.Question:
    """What is not written in elements: what is accepted, a blank with its list, a model answer.

    What is accepted is just `accepts`, if there is such, else the words that were right.
    """
    right = [one.words for one in content if one.right]
    wrong = [one.words for one in content if not one.right]
    accepts = accepts or q.Accepts(words=tuple(w[:500] for w in right[:100]))
    match new:
        case q.ShortText() if right:
            return new.model_copy(update={"accepts": accepts})
        case q.Numeric():
            accepts = _numbers_of(accepts)
            wanted = accepts.near or accepts.ranges
            return new.model_copy(update={"accepts": accepts}) if wanted else new
        case q.OpenAnswer():
            return new.model_copy(update={"model": rich("\n".join(right))})
        case q.FillBlanks() if right:
            blank = q.Blank(
                id=new.blanks[0].id, accepts=accepts,
                how="list" if wrong else "typed", others=tuple(w[:200] for w in wrong[:50]))
            return new.model_copy(update={"blanks": (blank,)})
    return new


def _numbers_of(accepts: q.Accepts) -> q.Accepts:
    """What is accepted with numbers for the words that are such; other words are left out."""
    numbers = [n for word in accepts.words
               if (n := number_in(word, accepts.units)) is not None and abs(n) <= 1e15]
    near = tuple(q.Near(value=n) for n in dict.fromkeys(numbers))
    return accepts.model_copy(update={"words": (), "near": (*accepts.near, *near)[:20]})


def _with_words(
    slide: Slide, name: str, content: list[_Content], fresh: IdSource, size: SlideSize
) -> Slide:
    """The slide with the answers in words: as many parts as there are, each saying one."""
    asked = asked_on(slide, name)
    if isinstance(asked, q.FillBlanks):
        runs = (TextRun(text="It is "), BlankRun(blank=asked.blanks[0].id), TextRun(text="."))
        text = RichText(blocks=(Block(runs=runs),))
        return slide.model_copy(update={"elements": tuple(
            e.model_copy(update={"text": text}) if e.id == asked.text and len(asked.blanks) == 1
            else e for e in slide.elements)})
    where = _LISTS.get(asked.kind)
    if where is None or not content:
        return slide
    if asked.kind == "true_false":
        return slide
    parts = getattr(asked, where)
    content = content[:q.most_parts(type(asked), where)]
    if len(content) < 2 and asked.kind in (*_CHOOSING, "ordering"):
        content = [*content, _Content("Another answer", right=False)]
    for part, one in zip(parts, content, strict=False):
        slide = with_text(slide, part.element, one.words)
    if len(content) > len(parts):
        more = [one.words for one in content[len(parts):]]
        slide, _ = with_parts(slide, name, where, more, fresh, size)
    else:
        slide = without(slide, [part.element for part in parts[len(content):]])
    return with_question(slide, _marked(asked_on(slide, name), where, content))


def _marked(asked: q.Question, where: str, content: list[_Content]) -> q.Question:
    """The question with those of its parts right that were, and what they are told."""
    parts = getattr(asked, where)
    if where == "items" and not isinstance(asked, q.Ordering):
        assert isinstance(asked, q.Matching | q.DragToTarget)
        targets = asked.targets
        one_each = isinstance(asked, q.Matching)
        return asked.model_copy(update={"items": tuple(
            item.model_copy(update={"to": (targets[n % len(targets) if one_each else 0].id,)})
            if one.right else item.model_copy(update={"to": (), "says": one.feedback})
            for n, (item, one) in enumerate(zip(parts, content, strict=True)))})
    if where not in ("choices", "spots"):
        return asked
    right = [one.right for one in content]
    if asked.kind == "single_choice":
        first = right.index(True) if True in right else 0
        right = [n == first for n in range(len(right))]
    return q.with_enough_clicks(asked.model_copy(update={where: tuple(
        part.model_copy(update={"right": is_right, "says": one.feedback})
        for part, one, is_right in zip(parts, content, right, strict=True))}))
