"""Recordings of known words: brought to one level, with the times of the words, and captions."""

from typing import BinaryIO

from zigzag_core.course import Course, MediaFile
from zigzag_core.course.media import Speech as Said
from zigzag_core.course.media import WordTime
from zigzag_core.errors import BadPlaying, CannotSpeak
from zigzag_core.media.captioning import captions_of
from zigzag_core.media.samples import Samples, samples_of

from .alignment import LONGEST, RATE, aligned
from .course import Keep
from .encoding import as_mp3, brought_to_level, speech_of
from .espeak import speak
from .speech import LONGEST_SPOKEN, Manner, Synthesiser

_HEARD, _BITS = 44_100, 96_000


def heard_in(
    file: MediaFile, content: BinaryIO, words: str, course: Course, keep: Keep,
    synthesiser: Synthesiser = speak,
) -> MediaFile:
    """Return the file of a recording of `words` in the language of `course`, as it is to be heard.

    It is MP3 at the level of all speech, kept by `keep`; the times of its words are found by laying
    it over the same words as a machine speaks them. Where the language has no machine voice it has
    no times, and the captions that it had. A recording that is longer than `LONGEST`, or cannot be
    read, stays as it is.
    """
    plain = Said(words=words)
    if file.duration > LONGEST * 1_000 or len(words) > LONGEST_SPOKEN:
        return file.model_copy(update={"speech": plain})
    try:
        loud = brought_to_level(speech_of(samples_of(content, _HEARD, LONGEST), _HEARD))
        content.seek(0)
        recorded = samples_of(content, RATE, LONGEST)
    except BadPlaying:
        return file.model_copy(update={"speech": plain})
    name = f"{file.name.rpartition('.')[0] or file.name}.mp3"
    made = keep(name, as_mp3(loud.speech, _HEARD, _BITS), loud.speech.duration)
    said = plain.model_copy(update={"times": _times(recorded, words, course, synthesiser)})
    return made.model_copy(update={
        "speech": said, "captions": captions_of(said) or file.captions, "loudness": loud.lufs})


def _times(
    recorded: Samples, words: str, course: Course, synthesiser: Synthesiser
) -> tuple[WordTime, ...]:
    pronounced = tuple((one.written, one.spoken) for one in course.pronunciations)
    try:
        model = synthesiser(words, Manner(course.language, pronounced=pronounced))
    except CannotSpeak:
        return ()
    return aligned(recorded, model)
