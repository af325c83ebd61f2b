"""From a script to its text, which `reading` reads back as the same script."""

from collections.abc import Iterable, Iterator

from .marks import marked
from .script import ADVICE, Beat, Direction, Part, Script
from .settings import written_condition, written_settings

_STEP = "  "


def written(script: Script) -> str:
    """Return `script` as a text, a turn below the other."""
    turns = []
    for turn in script.turns:
        ending = "" if turn.ending is None else " [ending]" if turn.ending == "open" \
            else f" [ending {turn.ending}]"
        turns.append("\n".join([f"## {marked(turn.name)}{ending}", *_beats(turn.beats, "")]))
    return "\n\n".join(turns) + "\n" if turns else ""


def _beats(beats: Iterable[Beat], indent: str) -> Iterator[str]:
    for beat in beats:
        for part in beat.parts:
            yield indent + _part(part)
        for reply in beat.replies:
            leads = f" -> {marked(reply.leads)}" if reply.leads else ""
            yield f"{indent}{_STEP}> {marked(reply.text)}{leads}{written_settings(reply)}"
            yield from _beats(reply.then, indent + 2 * _STEP)
        if beat.leads:
            yield f"{indent}-> {marked(beat.leads)}{written_condition(beat.leads_if)}"


def _part(part: Part) -> str:
    if isinstance(part, Direction):
        return f"{part.kind}: {marked(part.words)}"
    mood = f" ({part.mood})" if part.mood else ""
    return f"{part.speaker or ADVICE}{mood}: {marked(part.text)}{written_condition(part.condition)}"
