"""Questions as they are when they are added: their elements placed, ready to be changed."""

import re
from collections.abc import Iterable
from functools import cache
from itertools import count
from typing import Any

from zigzag_core.words import LANGUAGES, Say, say_english, say_in

from ..elements.element import Area, Button, Element, Input, InputKind, Picture, Shape, Text
from ..ids import IdSource
from ..style.style import Style
from ..style.theme import NamedStyle, StyleUse
from ..style.usual_styles import USUAL_STYLES, usual
from ..text.rich_text import BlankRun, Block, RichText, TextRun, rich
from ..text.spoken import spoken
from . import feedback as f
from . import question as q
from .descriptors import DESCRIPTORS, QuestionKind
from .settings import SETTINGS

_LEFT, _TOP, _WIDTH = 80.0, 160.0, 1120.0
_BELOW_PROMPT = 84.0

Made = tuple[tuple[Element, ...], q.Question]


class Maker:
    """Makes the elements of one question, below each other, at the usual places (px)."""

    left, top, width, below_prompt = _LEFT, _TOP, _WIDTH, _BELOW_PROMPT

    def __init__(
        self, fresh: IdSource, styles: tuple[NamedStyle, ...], say: Say = say_english
    ) -> None:
        self.fresh, self.styles, self.say = fresh, styles, say
        self.elements: list[Element] = []

    def follow(self, use: StyleUse, **own: Any) -> dict[str, Any]:
        """Return the style of the course for `use`, with `own` values."""
        named = usual(use, self.styles)
        return {
            "named_style": named.id, "own": tuple(own), "looks": named.looks,
            "style": named.style.model_copy(update=own),
        }

    def words(self, *keys: str) -> tuple[str, ...]:
        """Return the words for each key, in the language of the course."""
        return tuple(self.say(key) for key in keys)

    def put(self, element: Element) -> Element:
        """Take an element among those of the question, and return it."""
        self.elements.append(element)
        return element

    def text(self, name: str, words: str, x: float, y: float, w: float, h: float = 76) -> Element:
        """Make an answer."""
        return self.put(Text(id=self.fresh(), name=name, x=x, y=y, w=w, h=h, text=rich(words),
                             **self.follow("answer")))

    def field(self, kind: InputKind, name: str, y: float, h: float = 92,
              w: float = 520, **more: Any) -> Element:
        """Make an input."""
        return self.put(Input(id=self.fresh(), name=name, x=_LEFT, y=y, w=w, h=h, input=kind,
                              **{"label": self.say("your_answer"), **more}, **self.follow("input")))

    def column(self, words: Iterable[str], x: float, w: float, name: str = "Answer",
               step: float = 92) -> list[Element]:
        """Make answers below each other."""
        top = _TOP + _BELOW_PROMPT
        return [self.text(f"{name} {n}", text, x, top + (n - 1) * step, w)
                for n, text in enumerate(words, 1)]


def new_question(
    kind: QuestionKind, fresh: IdSource, styles: tuple[NamedStyle, ...] = USUAL_STYLES,
    say: Say = say_english,
) -> Made:
    """Return a question of `kind` with its elements: prompt, parts, a button that submits it.

    `say` gives the words, in the language of the course.
    """
    make = Maker(fresh, styles, say)
    prompt = make.put(Text(
        id=fresh(), name="Question", x=_LEFT, y=_TOP, w=_WIDTH, h=64, level="heading",
        text=rich(say(f"ask_{kind}")), **make.follow("heading", size=34, text_colour="ink"),
    ))
    question = _BUILD[kind](make)
    bottom = max(element.y + element.h for element in make.elements)
    submit = make.put(Button(
        id=fresh(), name="Submit", label=say("submit"), x=_LEFT, y=min(bottom + 24, 640),
        w=200, h=68, **make.follow("button"),
    ))
    return tuple(make.elements), question.model_copy(update={
        "name": DESCRIPTORS[kind].name, "prompt": prompt.id, "submit": submit.id,
    })


_BLANK = re.compile(r"\{([^{}]+)\}")
"""A blank in a sample text, with what belongs there."""


@cache
def sample_words(kind: QuestionKind) -> frozenset[str]:
    """Return what the parts of a new question of `kind` say until their author writes in them."""
    found: set[str] = set()
    for language in LANGUAGES:
        elements, question = new_question(
            kind, (f"sample{n}" for n in count()).__next__, say=say_in(language, {}))
        answers = set(q.answer_elements(question))
        found.update(spoken(e) for e in elements if e.id in answers)
    return frozenset(found)


def _thanks(make: Maker) -> f.Feedback:
    """What is said where nothing is judged."""
    return f.Feedback(answered=rich(make.say("new_sent")))


def common(make: Maker, **more: Any) -> dict[str, Any]:
    """Return what all questions that are judged begin with, but for `more`.

    In a quiz with defaults they follow these in all but `more`.
    """
    once = more.get("attempts") == 1
    return {
        "id": make.fresh(), "name": "Question", "attempts": 2,
        "feedback": f.Feedback(
            right=rich(make.say("new_right")), wrong=rich("" if once else make.say("new_wrong")),
            last=rich(make.say("new_last")),
        ),
        "follows": tuple(one for one in SETTINGS if one not in more),
        **more,
    }


def _choices(make: Maker, elements: list[Element], right: set[int]) -> tuple[q.Choice, ...]:
    return tuple(
        q.Choice(id=make.fresh(), element=element.id, right=n in right)
        for n, element in enumerate(elements)
    )


def _single(make: Maker) -> q.Question:
    answers = make.column(make.words("the_right_answer", "another_answer", "one_more_answer"),
                          _LEFT, _WIDTH)
    return q.SingleChoice(**common(make), shuffle=True, choices=_choices(make, answers, {0}))


def _multiple(make: Maker) -> q.Question:
    answers = make.column(make.words(
        "a_right_answer", "another_right_answer", "a_wrong_answer", "another_wrong_answer"),
        _LEFT, _WIDTH, step=84)
    return q.MultipleResponse(
        **common(make, partial="right_minus_wrong"), shuffle=True,
        choices=_choices(make, answers, {0, 1}),
    )


def _truth(make: Maker) -> q.Question:
    top = _TOP + _BELOW_PROMPT
    answers = [make.text(name, make.say(name.lower()), x, top, 280)
               for name, x in (("True", _LEFT), ("False", 384))]
    return q.TrueFalse(**common(make, attempts=1), choices=_choices(make, answers, {0}))


def _blanks(make: Maker) -> q.Question:
    before, word, between, second, after = _BLANK.split(make.say("blanks_text"))
    one, other = make.fresh(), make.fresh()
    runs = (TextRun(text=before), BlankRun(blank=one), TextRun(text=between),
            BlankRun(blank=other), TextRun(text=after))
    text = make.put(Text(
        id=make.fresh(), name="Text with blanks", x=_LEFT, y=_TOP + _BELOW_PROMPT, w=_WIDTH, h=160,
        text=RichText(blocks=(Block(runs=runs),)), **make.follow("text", size=28),
    ))
    return q.FillBlanks(
        **common(make, partial="right_parts"), text=text.id, blanks=(
            q.Blank(id=one, accepts=q.Accepts(words=(word,))),
            q.Blank(id=other, accepts=q.Accepts(words=(second,))),
        ),
    )


def _short(make: Maker) -> q.Question:
    field = make.field("text", "Field", _TOP + _BELOW_PROMPT)
    return q.ShortText(**common(make), field=field.id,
                       accepts=q.Accepts(words=(make.say("short_answer"),)))


def _numeric(make: Maker) -> q.Question:
    field = make.field("text", "Field", _TOP + _BELOW_PROMPT, label=make.say("a_number"), w=320)
    return q.Numeric(**common(make), field=field.id,
                     accepts=q.Accepts(near=(q.Near(value=10),)))


def _open(make: Maker) -> q.Question:
    field = make.field("long", "Field", _TOP + _BELOW_PROMPT, h=240, w=_WIDTH)
    return q.OpenAnswer(
        id=make.fresh(), name="Question", purpose="practice", attempts=1, field=field.id,
        feedback=_thanks(make), follows=SETTINGS)


def _matching(make: Maker) -> q.Question:
    left = make.column(make.words("first", "second", "third"), _LEFT, 440, "Item")
    # Not opposite each other, or the places would give it away.
    right = make.column(make.words("of_third", "of_first", "of_second"), 760, 440, "Partner")
    targets = tuple(q.Target(id=make.fresh(), element=element.id) for element in right)
    items = tuple(
        q.Item(id=make.fresh(), element=element.id, to=(targets[(n + 1) % 3].id,))
        for n, element in enumerate(left))
    return q.Matching(**common(make, partial="right_parts"), items=items, targets=targets)


def _ordering(make: Maker) -> q.Question:
    steps = make.column(make.words("first_step", "second_step", "third_step", "fourth_step"),
                        _LEFT, 720, "Step", 84)
    return q.Ordering(**common(make), items=tuple(
        q.InOrder(id=make.fresh(), element=step.id) for step in steps))


def _drag(make: Maker) -> q.Question:
    top = _TOP + _BELOW_PROMPT
    boxes = [make.put(Shape(
        id=make.fresh(), name=f"Target {n}", x=_LEFT + (n - 1) * 580, y=top, w=540, h=180,
        text=rich(words), **make.follow("shape", valign="top"),
    )) for n, words in enumerate(make.words("goes_here", "goes_there"), 1)]
    texts = [make.text(f"Item {n}", words, _LEFT + (n - 1) * 288, top + 204, 254, 64)
              for n, words in enumerate(
                  make.words("first_item", "second_item", "third_item", "item_nowhere"), 1)]
    targets = tuple(q.Target(id=make.fresh(), element=b.id, takes=None) for b in boxes)
    to = ((targets[0].id,), (targets[1].id,), (targets[0].id,), ())
    items = tuple(q.Item(id=make.fresh(), element=text.id, to=ids)
                  for text, ids in zip(texts, to, strict=True))
    return q.DragToTarget(
        **common(make, partial="right_minus_wrong"), targets=targets, items=items)


def _hotspot(make: Maker) -> q.Question:
    top = _TOP + _BELOW_PROMPT
    picture = make.put(Picture(id=make.fresh(), name="Picture", x=_LEFT, y=top, w=640, h=360))
    spots = [make.put(Area(
        id=make.fresh(), name=name, alt=make.say(words), x=_LEFT + x, y=top + 120, w=140, h=120,
        style=Style(radius=8),
    )) for name, words, x in (
        ("The right place", "right_place", 80.0), ("A decoy", "decoy", 400.0))]
    return q.Hotspot(
        **common(make, partial="right_minus_wrong"), on=picture.id, clicks=1,
        spots=tuple(q.Spot(id=make.fresh(), element=spot.id, right=n == 0)
                    for n, spot in enumerate(spots)))


def _rating(make: Maker) -> q.Question:
    top = _TOP + _BELOW_PROMPT
    rows = [make.field("scale", f"Row {n}", top + (n - 1) * 120, h=104, w=_WIDTH, label=words,
                       low=1, high=5, options=make.words("not_at_all", "fully"))
            for n, words in enumerate(make.words("first_statement", "second_statement"), 1)]
    return q.RatingScale(
        id=make.fresh(), name="Question", attempts=1, feedback=_thanks(make), follows=SETTINGS,
        rows=tuple(q.Row(id=make.fresh(), element=row.id) for row in rows),
    )


_BUILD = {
    "single_choice": _single, "multiple_response": _multiple, "true_false": _truth,
    "blanks": _blanks, "short_text": _short, "numeric": _numeric, "matching": _matching,
    "ordering": _ordering, "drag_to_target": _drag, "hotspot": _hotspot, "open_answer": _open,
    "rating_scale": _rating,
}
