"""Checks of dialogues: ways that lead nowhere, names of nothing, answers that are given away."""

from collections.abc import Collection, Iterator

from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.dialogues import Dialogue, SaidLine, StageDirection
from zigzag_core.course.names import Names, names_of
from zigzag_core.course.rules.rule import StartOver
from zigzag_core.course.rules.rule_use import actions_of, rules_on
from zigzag_core.dialogue.graph import Graph, graph_of
from zigzag_core.dialogue.hints import BY_PLACE, hints
from zigzag_core.dialogue.script import Spoken
from zigzag_core.dialogue.ways import reached_in, ways_of
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.editing.dialogues.voices import voice_lines

from .dialogue_room import long_lines
from .finding import Finding

SHOWN = 60
"""So many letters of a line are shown where it is named."""


def dialogue_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what is to be told of the dialogues of a course, in its order."""
    titles = {slide.id: slide.title for slide in document.slides}
    own = {file.id for file in document.course.media if not file.recoloured}
    for slide in document.slides:
        yield from _never_started(slide)
        for dialogue in slide.dialogues:
            yield from _of_dialogue(
                slide, dialogue, names_of(document.course, slide, titles), own)


def _never_started(slide: Slide) -> Iterator[Finding]:
    """Dialogues that wait for a rule, where no rule of the slide starts them."""
    started = {
        action.dialogue or slide.dialogues[0].id
        for rule, _ in rules_on(slide) if not rule.off for action in actions_of(rule)
        if slide.dialogues and isinstance(action, StartOver) and action.what == "dialogue"}
    for dialogue in slide.dialogues:
        if dialogue.starts == "by_rule" and dialogue.id not in started:
            yield Finding(level="warning", code="dialogue_never_starts", slide=slide.id, message=(
                f"The dialogue “{dialogue.name}” waits for a rule, but none starts it over."))


def _of_dialogue(
    slide: Slide, dialogue: Dialogue, names: Names, own: Collection[str]
) -> Iterator[Finding]:
    name = f"In the dialogue “{dialogue.name}”"
    graph = graph_of(script_of(dialogue, names))
    if graph is None:
        yield Finding(level="warning", code="nothing_said", slide=slide.id,
                      message=f"{name} nothing is said yet.")
        return
    missing = {one for beat in dialogue.beats
               for one in (beat.missing, *(reply.missing for reply in beat.replies)) if one}
    for one in sorted(missing):
        yield Finding(level="error", code="no_turn", slide=slide.id,
                      message=f"{name} something leads to “{one}”, but there is no such turn.")
    for what, unread in _unread(dialogue):
        yield Finding(level="warning", code="condition_unread", slide=slide.id, message=(
            f"{name} {what} has a condition that cannot be read: “{unread}”. It is taken to hold."))
    yield from _unseen(slide, dialogue, name)
    for line in long_lines(dialogue):
        yield Finding(level="warning", code="line_long", slide=slide.id, message=(
            f"{name} “{_beginning(line.words)}” takes about {line.needs} lines, and there is room "
            f"for {line.room}: learners have to scroll. Split it, or make the dialogue larger."))
    for speaker, moods in _unshown(dialogue, graph, own):
        yield Finding(level="warning", code="mood_unshown", slide=slide.id, message=(
            f"{name} “{speaker}” never shows the pictures for: {', '.join(moods)}."))
    for hint in hints(graph, ways_of(graph)):
        if dialogue.random_order and hint.code in BY_PLACE:
            continue
        yield Finding(level=hint.level, code=f"dialogue_{hint.code}", slide=slide.id,
                      message=f"{name}: {hint.words}")


def _beginning(words: str) -> str:
    return words if len(words) <= SHOWN else f"{words[:SHOWN].rstrip()} …"


def _unread(dialogue: Dialogue) -> Iterator[tuple[str, str]]:
    """What has a condition that cannot be read, and that."""
    turns = {turn.id: turn.name for turn in dialogue.turns}
    for beat in dialogue.beats:
        for line in beat.lines:
            if isinstance(line, SaidLine) and line.unread:
                yield f"the line “{line.text}”", line.unread
        for reply in beat.replies:
            if reply.unread:
                yield f"the reply “{reply.text}”", reply.unread
        if beat.unread:
            yield f"what leads to “{turns.get(beat.leads or '', beat.missing)}”", beat.unread


def _unshown(
    dialogue: Dialogue, graph: Graph, own: Collection[str]
) -> Iterator[tuple[str, list[str]]]:
    """Who has which moods, with pictures of the author's `own`, that no line shows on any way."""
    shown = {(part.speaker, part.mood.casefold()) for step in reached_in(graph)
             if (beat := graph.steps[step].beat) for part in beat.parts if isinstance(part, Spoken)}
    for speaker in dialogue.speakers:
        first = next((one for one in speaker.moods if one.picture), None)
        moods = [one.mood for one in speaker.moods if one.picture in own and one is not first
                 and (speaker.name, one.mood.casefold()) not in shown]
        if moods:
            yield speaker.name, moods


def _unseen(slide: Slide, dialogue: Dialogue, name: str) -> Iterator[Finding]:
    """What the script asks for and has no file: moods of those who have pictures, and scenery."""
    lines = [line for beat in dialogue.beats for line in beat.lines]
    for speaker in dialogue.speakers:
        there = {one.mood.casefold() for one in speaker.moods if one.picture}
        asked = {line.mood.casefold() for line in lines
                 if isinstance(line, SaidLine) and line.speaker == speaker.id and line.mood}
        if there and asked - there:
            yield Finding(level="warning", code="mood_missing", slide=slide.id, message=(
                f"{name} “{speaker.name}” has no picture for: {', '.join(sorted(asked - there))}. "
                "The first picture is shown."))
    for voiced in voice_lines(dialogue):
        if voiced.old:
            yield Finding(level="warning", code="voice_old", slide=slide.id, message=(
                f"{name} “{voiced.words}” has another voice than words: it was changed since."))
    known = {(one.kind, one.words.casefold()) for one in dialogue.scenery if one.media}
    missing = {line.words: line.kind for line in lines
               if isinstance(line, StageDirection) and line.kind != "pause" and line.words
               and not line.media and (line.kind, line.words.casefold()) not in known}
    for words, kind in sorted(missing.items()):
        yield Finding(level="warning", code="scenery_missing", slide=slide.id, message=(
            f"{name} the {kind} “{words}” has no file: choose one under Cast."))
