"""Large courses with real variety, for measuring."""

import random
from itertools import cycle, islice
from typing import get_args

from zigzag_core.course import (
    CourseDocument,
    Element,
    NumberVariable,
    Slide,
    SlideSize,
    TextVariable,
    Variable,
    YesNoVariable,
)
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.editing.adding import add
from zigzag_core.editing.patterns import Ready, make_pattern

from . import drawings
from .builder import CourseBuilder

_THINGS = ("stove", "rope", "lantern", "radio", "hut book", "boot rack", "kettle", "weather board",
           "latch", "blanket", "axe", "water barrel", "snow shovel", "bench", "air slide")
_DOES = ("check", "clean", "dry", "count", "light", "close", "open", "write down", "carry", "mend")
_WHEN = ("before dawn", "at noon", "after supper", "when it snows", "on a change of guests",
         "in a storm", "once a week", "on the night round")
_PICTURES = (drawings.kitchen, drawings.stove_picture, drawings.weather_board,
             drawings.rescue_radio, drawings.guest_at_door, drawings.warden)
_SCENES = (drawings.hut_at_dawn, drawings.drying_room, drawings.night_round)
_COLOURS = ("#e1ede6", "#dfeaf2", "#f7ead2", "#f8e7dd", "#ece5f0")


MOST_ON_A_SLIDE = 20
"""So many questions of a varied course one slide holds."""


def generated_course(
    slides: int, questions: int, seed: int, variables: int = 0, varied: bool = False,
) -> tuple[CourseDocument, dict[str, bytes]]:
    """Return a course of `slides` slides with `questions` questions, and its media.

    All questions are single choice, one on a slide; a `varied` course has every kind of question
    and every pattern in turn, and several questions on a slide where there are more than slides.
    Raises `ValueError` for more questions than that.
    """
    most = slides * (MOST_ON_A_SLIDE if varied else 1)
    if not 0 <= questions <= most:
        raise ValueError(f"there can be at most {most} questions on {slides} slides")
    rng = random.Random(seed)
    if varied:
        return _varied(slides, questions, rng, seed, variables)
    b = CourseBuilder(f"Generated {slides} slides", seed)
    ids = [b.fresh() for _ in range(slides)]
    asking = set(rng.sample(range(slides), questions))
    for number, slide_id in enumerate(ids):
        if number in asking:
            _question(b, rng, slide_id, number)
        else:
            rng.choice((_words, _cards, _scene, _crossing))(b, rng, slide_id, number, ids)
    return b.build(
        pass_mark=70, completion={"slides_share": 0.9, "passing": bool(questions)},
        variables=_variables(b, variables),
    ), b.media


def _variables(b: CourseBuilder, count: int) -> tuple[Variable, ...]:
    kinds = (
        lambda n: NumberVariable(id=b.fresh(), name=f"Count {n}"),
        lambda n: TextVariable(id=b.fresh(), name=f"Word {n}"),
        lambda n: YesNoVariable(id=b.fresh(), name=f"Flag {n}"),
    )
    return tuple(kinds[n % 3](n + 1) for n in range(count))


def _varied(
    slides: int, questions: int, rng: random.Random, seed: int, variables: int
) -> tuple[CourseDocument, dict[str, bytes]]:
    """A course in which every kind of question and every pattern comes in turn."""
    b = CourseBuilder(f"Varied {slides} slides", seed)
    kinds, patterns = cycle(QUESTION_KINDS), cycle(get_args(Ready))
    own = _variables(b, variables)
    asking = set(rng.sample(range(slides), min(questions, slides)))
    left = questions
    for number in range(slides):
        slide = blank_slide(f"{number + 1} {rng.choice(_THINGS).capitalize()}", b.fresh)
        if number in asking:
            # Those that are left are shared out evenly.
            share = -(-left // sum(other >= number for other in asking))
            left -= share
            for kind in islice(kinds, share):
                slide, _, more = add(slide, kind, b.fresh, SlideSize())
                own += more
        else:
            slide = _with_pattern(slide, next(patterns), b)
        b.slides.append(slide)
    return b.build(
        pass_mark=70, completion={"slides_share": 0.9, "passing": bool(questions)}, variables=own,
    ), b.media


def _with_pattern(slide: Slide, what: Ready, b: CourseBuilder) -> Slide:
    """The slide with a ready pattern; a counter with a set that it counts."""
    if what == "seen_counter":
        slide = make_pattern(slide, "cards", (), b.fresh, SlideSize()).slide
    return make_pattern(slide, what, (), b.fresh, SlideSize()).slide


def _sentence(rng: random.Random) -> str:
    return (f"{rng.choice(_DOES).capitalize()} the {rng.choice(_THINGS)} {rng.choice(_WHEN)}, "
            f"then {rng.choice(_DOES)} the {rng.choice(_THINGS)}.")


def _words(b: CourseBuilder, rng: random.Random, slide: str, n: int, ids: list[str]) -> None:
    lines = "\n".join(f"- {_sentence(rng)}" for _ in range(rng.randint(2, 5)))
    draw = rng.choice(_PICTURES)
    name = draw.__name__
    b.slide(slide, f"{n + 1} {rng.choice(_THINGS).capitalize()}", [
        b.title_text(f"The {rng.choice(_THINGS)}"),
        b.text("Lead", _sentence(rng), 80, 140, 640, 90, size=28, bold=True),
        b.text("List", lines, 80, 240, 640, 340, size=24),
        b.picture(name, b.picture_file(name, draw()), 780, 150, 420, 420, alt=_sentence(rng)),
        b.button("Next", 80, 610), b.button("Back", 300, 610, to="previous"),
    ])


def _cards(b: CourseBuilder, rng: random.Random, slide: str, n: int, ids: list[str]) -> None:
    count = rng.randint(2, 4)
    w = (1120 - (count - 1) * 24) / count
    elements: list[Element] = [b.title_text(f"{count} things to {rng.choice(_DOES)}")]
    for k in range(count):
        x = 80 + k * (w + 24)
        elements += [
            b.panel(x, 160, w, 380, fill=rng.choice(_COLOURS)), b.dot(x + 24, 184, 40, "#1e5b4b"),
            b.text(f"Card {k + 1}", f"**{rng.choice(_THINGS).capitalize()}**\n{_sentence(rng)}",
                   x + 24, 240, w - 48, 280, size=24),
        ]
    b.slide(slide, f"{n + 1} Cards", [*elements, b.button("Next", 80, 590)])


def _scene(b: CourseBuilder, rng: random.Random, slide: str, n: int, ids: list[str]) -> None:
    draw = rng.choice(_SCENES)
    b.slide(slide, f"{n + 1} Scene", [
        b.plate_title(f"{rng.choice(_THINGS).capitalize()} {rng.choice(_WHEN)}", 640),
        b.panel(60, 480, 640, 150, opacity=0.95),
        b.text("Words", _sentence(rng), 84, 496, 592, 118, size=24),
    ], picture=b.picture_file(draw.__name__, draw()))


def _crossing(b: CourseBuilder, rng: random.Random, slide: str, n: int, ids: list[str]) -> None:
    targets = rng.sample(range(len(ids)), min(4, len(ids)))
    b.slide(slide, f"{n + 1} Crossing", [
        b.title_text("Where next?"), b.line(80, 140, 1120),
        *(b.button(f"To slide {t + 1}", 80 + k * 280, 260, 250, 90, ids[t])
          for k, t in enumerate(targets)),
    ])


def _question(b: CourseBuilder, rng: random.Random, slide: str, n: int) -> None:
    prompt = b.text("Question", f"What do you do with the {rng.choice(_THINGS)} "
                    f"{rng.choice(_WHEN)}?", 80, 130, 1120, 80, level="heading", size=30, bold=True)
    count = rng.randint(3, 5)
    answers = [b.choice_text(k + 1, _sentence(rng), 80, 220 + k * 80, 1000, 68)
               for k in range(count)]
    submit = b.button("Submit", 80, 230 + count * 80, to=None)
    question = b.question(
        f"Question {n + 1}", prompt, answers, rng.randrange(count), submit,
        (_sentence(rng), _sentence(rng), _sentence(rng)), points=rng.choice((1, 2, 2.5)),
        attempts=rng.choice((1, 2, 3, None)), shuffle=rng.random() < .5,
    )
    b.slide(slide, f"{n + 1} Question", [b.title_text("Check yourself"), prompt, *answers, submit],
            (question,))
