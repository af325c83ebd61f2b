"""What is said to an answer becomes panels that open over the slide, and rules that open them."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any, Literal

from zigzag_core.course import Button, Picture, RichText, Slide, Text, plain, rich
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import DESCRIPTORS, is_judged
from zigzag_core.course.rules.expression import joined
from zigzag_core.course.style.style import Style
from zigzag_core.program import (
    CloseOverlay,
    Enter,
    Go,
    GraderWords,
    OpenOverlay,
    PlaySound,
    ProgramElement,
    ProgramOverlay,
    ProgramRule,
    Reset,
    Stay,
)
from zigzag_core.program.model import Action

from .names import panel_part
from .questions import block_rule
from .scope import Scope

Tone = Literal["right", "partly", "wrong", "plain"]


@dataclass(frozen=True)
class _Outcome:
    """What an answer came to: the event, how it sounds, its title, whether it is tried `again`.

    `name` is that of its panel, `words` those of the author that are said, `title` the key of the
    player's words.
    """

    name: str
    event: Any
    words: f.Outcome
    tone: Tone
    title: str
    again: bool = False
    condition: Any = True

    @property
    def final(self) -> bool:
        """Whether the question is over, and goes on to what comes after it."""
        return not self.again and self.words != "nothing"


_BESIDE = 400
"""No wider is a panel that stands beside the question, in px."""
_PICTURE = (480.0, 220.0)
_CLOSE = Style(
    fill="#1e5b4b", text_colour="#ffffff", size=24, bold=True, radius=8, align="center",
    valign="middle",
)


def _outcomes(question: q.Question) -> Iterator[_Outcome]:
    """Yield what answers to `question` can come to."""
    if question.submit_is == "ready":
        yield _Outcome("nothing", "answered_nothing", "nothing", "plain", "not_answered")
    if not is_judged(question):
        yield _Outcome("answered", "answered", "answered", "plain", "thank_you")
        if question.time_limit:
            yield _Outcome("time_up", "time_up", "time_up", "plain", "time_is_up")
        return
    partly = DESCRIPTORS[question.kind].partly
    yield _Outcome("right", "answered_right", "right", "right", "right")
    if question.attempts != 1:
        yield _Outcome("wrong", "answered_wrong", "wrong", "wrong", "not_right_yet", again=True)
        if partly:
            yield _Outcome(
                "partly", "answered_partly", "partly", "partly", "partly_right", again=True)
    last_partly = ["=", ["outcome", question.id], "partly"]
    if partly:
        yield _Outcome("lastpartly", "answered_last", "last", "partly", "partly_right",
                       condition=last_partly)
    yield _Outcome("last", "answered_last", "last", "wrong", "not_right",
                   condition=["not", last_partly] if partly else True)
    if question.time_limit:
        yield _Outcome("time_up", "time_up", "time_up", "wrong", "time_is_up")


def feedback(
    question: q.Question, slide: Slide, scope: Scope
) -> tuple[tuple[ProgramOverlay, ...], tuple[ProgramRule, ...]]:
    """Return the panels that open after the outcomes of `question`, and the rules that open them.

    Where an overlay of the slide is to be shown instead, it is. What is not judged is acknowledged
    at least, unless it is sent by itself.
    """
    panels: list[ProgramOverlay] = []
    rules: list[ProgramRule] = []
    overlays = {overlay.id for overlay in slide.overlays}
    shows = {shown.after: shown for shown in question.feedback.shows}
    own: set[str] = set()
    open_still: list[str] = []
    for outcome in _outcomes(question):
        shown = shows.get(outcome.words, f.Shown(after=outcome.words))
        sound = shown.sound or getattr(scope.feedback, outcome.tone).sound
        name = f"{question.id}_{outcome.name}"
        if shown.overlay in overlays:
            opens = shown.overlay
            if outcome.final and opens:
                own.add(opens)
        else:
            texts = list(_words(question, outcome, scope))
            if outcome.words == "answered" and not texts and not shown.picture:
                if question.judged != "submit":
                    continue
                texts = [(rich(scope.say("answer_sent")), True)]
            panels.append(_panel(question, name, outcome, texts, shown, scope))
            opens = name
            if not outcome.final:
                open_still.append(name)
        # Nothing remains to be tried when the time is up.
        closed = open_still if outcome.name == "time_up" else ()
        then: list[Action] = [*(CloseOverlay.made(overlay=panel) for panel in closed),
                OpenOverlay.made(overlay=opens or name)]
        rules.append(block_rule(
            f"{name}_open", outcome.event, question.id,
            *then, *([PlaySound(media=sound)] if sound else ()), condition=outcome.condition))
    after = _after(question)
    if after:
        rules += [
            block_rule(f"{question.id}_after{n}", "overlay_closed", opened, *after,
                       condition=["locked", question.id])
            for n, opened in enumerate(sorted(own), 1)
        ]
    return tuple(panels), tuple(rules)


_RESULTS: dict[str, Literal["right", "partly", "wrong", "neutral"]] = {
    "right": "right", "lastpartly": "partly", "last": "wrong", "answered": "neutral"}


def final_words(question: q.Question, scope: Scope) -> tuple[GraderWords, ...]:
    """Return what is said after the last answer to `question`, for each result it can have."""
    return tuple(
        GraderWords.made(
            result=_RESULTS[outcome.name], words=words, condition=condition,
            row=not n and _rows_speak(question))
        for outcome in _outcomes(question) if outcome.name in _RESULTS
        for n, (words, condition) in enumerate(_words(question, outcome, scope)))


def _words(
    question: q.Question, outcome: _Outcome, scope: Scope
) -> Iterator[tuple[RichText, Any]]:
    """The words of a panel, each with the condition under which they are said."""
    if outcome.words == "nothing":
        own = question.feedback.nothing
        if plain(own):
            yield own, True
            return
        judged = ["and", ["chosen", question.id], [">", ["attempts", question.id], 0]]
        yield rich(scope.say("nothing_to_judge")), ["not", judged]
        yield rich(scope.say("already_judged")), judged
        return
    text: RichText = getattr(question.feedback, outcome.words)
    if outcome.name == "partly" and not plain(text):
        text = question.feedback.wrong
    if outcome.name == "lastpartly" and not plain(text):
        text = question.feedback.partly
    if plain(text) or _rows_speak(question):
        yield text, True
    if outcome.words in ("wrong", "partly"):
        for tries, hint in enumerate(question.feedback.hints, 1):
            if plain(hint):
                yield hint, ["=", ["attempts", question.id], tries]
    for part in (*question.held.get("choices", ()), *question.held.get("spots", ())):
        if plain(part.says):
            yield part.says, ["given", question.id, part.id]
    for item in question.held.get("items", ()):
        says = item.held.get("says", RichText())
        if plain(says):
            placed = ["given", question.id, item.id]
            right = [["=", placed, target] for target in item.to]
            yield says, ["not", joined("or", right)] if right else ["!=", placed, ""]
    model = question.held.get("model", RichText())
    if outcome.words == "answered" and plain(model):
        yield model, True


def _rows_speak(question: q.Question) -> bool:
    """Whether rows of its answer table have words, which are said instead of the usual ones."""
    return any(plain(row.words) for row in question.table)


def _panel(
    question: q.Question, name: str, outcome: _Outcome, texts: list[tuple[RichText, Any]],
    shown: f.Shown, scope: Scope,
) -> ProgramOverlay:
    design = scope.feedback
    tone: f.ToneDesign = getattr(design, outcome.tone)
    place = question.feedback.place or design.place
    elements = [
        ProgramElement.made(
            draw=Text.made(id=panel_part(name, f"b{n}"), name="Feedback", text=words,
                      style=design.style),
            visible=condition,
            row_of=question.id if not n and outcome.words != "nothing" and _rows_speak(question)
            else None,
        )
        for n, (words, condition) in enumerate(texts)
    ]
    tells = design.tells if question.feedback.tells is None else question.feedback.tells
    if tells and outcome.tone != "plain":
        elements.append(ProgramElement.made(
            draw=Text.made(id=panel_part(name, "t"), name="How it was judged",
                      style=design.style.model_copy(update={"size": design.style.size * 0.85})),
            words=["told", question.id]))
    w = min(design.w, _BESIDE) if place == "beside" else design.w
    if shown.picture:
        elements.append(ProgramElement.made(draw=_picture(panel_part(name, "p"), shown, scope, w)))
    again = question.feedback.read_again
    if again and outcome.tone in ("wrong", "partly"):
        label = scope.say("read_again", title=scope.title_of(again))
        elements.append(_button(panel_part(name, "r"), label, (
            CloseOverlay.made(overlay=name), Go.made(to="slide", slide=again, back=True))))
    stays = (Stay(),) if question.judged == "leaving" and outcome.again else ()
    label = scope.say("try_again" if outcome.again else "continue")
    elements.append(_button(panel_part(name, "c"), label, (
        *stays, CloseOverlay.made(overlay=name), *(_after(question) if outcome.final else ()))))
    if stays:
        elements.append(_button(
            panel_part(name, "g"), scope.say("continue"), (CloseOverlay.made(overlay=name),)))
    titled = outcome.words not in ("time_up", "nothing")
    return ProgramOverlay.made(
        id=name, title=(titled and tone.title) or scope.say(outcome.title), tone=outcome.tone,
        place=place, w=w, dims=design.dims, style=design.style, colour=tone.colour,
        speaker=tone.speaker, elements=tuple(elements),
    )


def _picture(name: str, shown: f.Shown, scope: Scope, w: float) -> Picture:
    """The picture that comes with the words, as large as there is room for."""
    own_w, own_h = scope.pictures.get(shown.picture or "", (0, 0))
    most_w, most_h = min(_PICTURE[0], w - 120), _PICTURE[1]
    share = min(most_w / own_w, most_h / own_h, 1) if own_w and own_h else 0
    box = (own_w * share, own_h * share) if share else (most_w, most_h)
    return Picture.made(id=name, name="Picture", media=shown.picture, alt=shown.alt,
                   decoration=not shown.alt, w=box[0], h=box[1])


def _after(question: q.Question) -> tuple[Any, ...]:
    """What follows when it is over and the panel is closed."""
    if question.after == "next":
        return (Go.made(to="next"),)
    if question.after == "again" and question.again_from:
        return (Reset.made(question=question.id), Enter.made(slide=question.again_from))
    return ()


def _button(name: str, label: str, then: tuple[Any, ...]) -> ProgramElement:
    draw = Button.made(id=name, name=label, label=label, w=200, h=56, style=_CLOSE)
    return ProgramElement.made(draw=draw, control="button", rules=(
        block_rule(f"{name}_close", "clicked", name, *then),))
