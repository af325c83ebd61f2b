"""The conversations of *Hut Warden Basics*: scripts as text, played by the shipped people."""

from collections.abc import Mapping
from pathlib import Path
from typing import Any

from zigzag_core.course import NumberVariable
from zigzag_core.course.dialogues import (
    Dialogue,
    MoodPicture,
    Scenery,
    ShownValue,
    Speaker,
)
from zigzag_core.course.names import Names
from zigzag_core.course.voices import SpeakerVoice
from zigzag_core.dialogue.reading import read_script
from zigzag_core.drawings.faces import MOODS
from zigzag_core.editing.dialogues.planting import plant_script

from .builder import CourseBuilder

TRUST = NumberVariable(
    id="trustofaguest", name="trust", description="How far the late guest trusts the wardens")
_VOICES = {
    "pell": SpeakerVoice(voice="low3", speed=145, pitch=38),
    "mira": SpeakerVoice(voice="high2", speed=155, pitch=52),
    "jonte": SpeakerVoice(voice="low5", speed=160, pitch=48),
    "kirrin": SpeakerVoice(voice="high4", speed=160, pitch=56),
}
_HERE = Path(__file__).parent


def conversations(b: CourseBuilder, at: dict[str, str]) -> None:
    """Add a slide for each conversation."""
    b.slide(at["guest_talk"], "A guest at night", [
        b.title_text("A guest at night: what do you say?", y=28)], does={"dialogues": (dialogue(
            b, "late_guest", "The late guest", {"Pell": "pell", "Mira": "mira"},
            {"in front of the hut": "hut-front", "front room": "front-room"},
            flips=("Mira",), shows=(ShownValue(variable=TRUST.id, low=-6, high=8),)),)})
    b.slide(at["quiet_word"], "A quiet word with a colleague", [
        b.title_text("A quiet word with a colleague", y=28)], does={"dialogues": (dialogue(
            b, "quiet_word", "A quiet word", {"Jonte": "jonte"}, {"corridor": "corridor"},
            purpose="practice", advice="at_end", random_order=True),)})


def dialogue(
    b: CourseBuilder, script: str, name: str, cast: Mapping[str, str], places: Mapping[str, str],
    flips: tuple[str, ...] = (), values: tuple[NumberVariable, ...] = (TRUST,), **settings: Any,
) -> Dialogue:
    """Return the dialogue of a `script` beside this file.

    The `cast` says by the name of a speaker who plays it, `places` which drawing is a backdrop.
    Those who look the other way are in `flips`; the script may change the `values`.
    """
    speakers = tuple(
        Speaker(id=b.fresh(), name=who, flipped=who in flips, voice=_VOICES[played], moods=tuple(
            MoodPicture(mood=mood, picture=b.drawing(f"person-{played}-{mood}"))
            for mood in MOODS))
        for who, played in cast.items())
    empty = Dialogue(
        id=b.fresh(), name=name, x=60, y=104, w=1160, h=580, speakers=speakers,
        scenery=tuple(Scenery(kind="backdrop", words=words, media=b.drawing(f"backdrop-{key}"))
                      for words, key in places.items()),
        **settings)
    text = (_HERE / f"{script}.txt").read_text(encoding="utf-8")
    names = Names({"variables": {value.id: value.name for value in values}})
    return plant_script(read_script(text).script, empty, names, b.fresh).dialogue
