"""How words are spoken by machine: by whom, and how some of them are pronounced."""

from typing import Annotated

from pydantic import Field

from .model import Model


class SpeakerVoice(Model):
    """How somebody is spoken by machine: a lower or higher voice, or that of the language.

    The `speed` is in words a minute, the `pitch` in hundredths of what there is.
    """

    voice: Annotated[str, Field(pattern=r"^(low[1-7]|high[1-5])?$")] = ""
    speed: Annotated[int, Field(ge=80, le=400)] = 150
    pitch: Annotated[int, Field(ge=0, le=99)] = 50


class Narrator(Model):
    """Somebody who speaks on slides, by name; the one without a name speaks what names nobody."""

    name: Annotated[str, Field(max_length=60)] = ""
    voice: SpeakerVoice = SpeakerVoice()


class Pronunciation(Model):
    """A word that is `spoken` as if it were written in that way."""

    written: Annotated[str, Field(min_length=1, max_length=60)]
    spoken: Annotated[str, Field(min_length=1, max_length=200)]
