"""Speaks by the espeak-ng library, which is loaded with its voices from a package.

Source: espeak-ng, ``speak_lib.h`` (the names of the C functions, flags and events are its own). The
library keeps one state: one text is spoken at a time.
"""

import ctypes
from collections.abc import Mapping
from dataclasses import replace
from functools import cache
from threading import Lock
from typing import Any

import espeakng_loader

from zigzag_core.course.text.splitting import words_of
from zigzag_core.errors import CannotSpeak

from .marking import WordTimes, marked_text
from .speech import FASTEST, LONGEST_SPOKEN, SLOWEST, VOICES, Manner, Speech

_SYNCHRONOUS = 2
_UTF8, _SSML = 0x01, 0x10
_LAST, _MARK = 0, 3
_RATE, _PITCH = 1, 3
_LOW, _HIGH = "m", "f"
_speaking = Lock()


class _Voice(ctypes.Structure):
    _fields_ = [("name", ctypes.c_char_p), ("languages", ctypes.c_char_p),
                ("identifier", ctypes.c_char_p)]


class _Which(ctypes.Union):
    _fields_ = [("number", ctypes.c_int), ("name", ctypes.c_char_p), ("string", ctypes.c_char * 8)]


class _Event(ctypes.Structure):
    """What happens in the speech: `at` so many ms, at a `place` (from 1) of the text."""

    _fields_ = [("kind", ctypes.c_int), ("unique", ctypes.c_uint), ("place", ctypes.c_int),
                ("length", ctypes.c_int), ("at", ctypes.c_int), ("sample", ctypes.c_int),
                ("user", ctypes.c_void_p), ("which", _Which)]


_Heard = ctypes.CFUNCTYPE(
    ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.POINTER(_Event))


@cache
def _library() -> tuple[Any, int]:
    """The library, and its rate of samples a second."""
    library = ctypes.CDLL(espeakng_loader.get_library_path())
    library.espeak_ListVoices.restype = ctypes.POINTER(ctypes.POINTER(_Voice))
    rate = library.espeak_Initialize(
        _SYNCHRONOUS, 0, espeakng_loader.get_data_path().encode(), 0)
    if rate <= 0:
        raise CannotSpeak("The voices of this machine cannot be loaded.")
    return library, rate


@cache
def languages() -> Mapping[str, str]:
    """Return the voices by the languages that they speak, as BCP 47 has them, in small letters."""
    library, _ = _library()
    found: dict[str, str] = {}
    voices, number = library.espeak_ListVoices(None), 0
    while voices[number]:
        voice = voices[number].contents
        # A byte for how well it fits stands before the name of the first language.
        found.setdefault(voice.languages[1:].decode("ascii", "replace").casefold(),
                         voice.identifier.decode())
        number += 1
    return found


def language_for(language: str) -> str:
    """Return what can be spoken for `language`: itself, or the same without its region.

    Raises `CannotSpeak`.
    """
    wanted, there = language.casefold(), languages()
    while wanted not in there:
        wanted, part, _ = wanted.rpartition("-")
        if not part:
            regional = sorted(one for one in there if one.startswith(f"{language.casefold()}-"))
            if not regional:
                raise CannotSpeak(f"There is no voice for the language “{language}”.")
            return regional[0]
    return wanted


def speak(text: str, manner: Manner) -> Speech:
    """Return `text` as it is spoken, with the time of each word.

    Raises `CannotSpeak` for a language without a voice, and for more than `LONGEST_SPOKEN`
    characters.
    """
    if len(text) > LONGEST_SPOKEN:
        raise CannotSpeak(f"At most {LONGEST_SPOKEN:,} characters are spoken at once.")
    if manner.voice not in VOICES:
        raise CannotSpeak(f"There is no voice “{manner.voice}”.")
    library, rate = _library()
    voice = languages()[language_for(manner.language)] + _variant(manner.voice)
    marked = marked_text(words_of(text), manner.pronounced)
    samples, times = bytearray(), WordTimes(marked)

    def heard(wave: object, count: int, events: "ctypes._Pointer[_Event]") -> int:
        if wave and count > 0:
            samples.extend(ctypes.string_at(wave, 2 * count))  # type: ignore[arg-type]
        number = 0
        while events[number].kind != _LAST:
            event = events[number]
            # Only of a mark the name may be read: it is a pointer.
            name = event.which.name if event.kind == _MARK else None
            times.note(event.kind, event.place, event.at, name)
            number += 1
        return 0

    data = marked.text.encode("utf-8", "replace")
    with _speaking:
        callback = _Heard(heard)
        library.espeak_SetSynthCallback(callback)
        if library.espeak_SetVoiceByName(voice.encode()):
            raise CannotSpeak(f"There is no voice for the language “{manner.language}”.")
        library.espeak_SetParameter(_RATE, min(max(manner.speed, SLOWEST), FASTEST), 0)
        library.espeak_SetParameter(_PITCH, min(max(manner.pitch, 0), 99), 0)
        if library.espeak_Synth(data, len(data) + 1, 0, 1, 0, _UTF8 | _SSML, None, None):
            raise CannotSpeak("The text could not be spoken.")
    speech = Speech(bytes(samples), rate)
    return replace(speech, times=times.until(speech.duration))


def _variant(voice: str) -> str:
    """What is behind the name of a voice to make it lower or higher."""
    if not voice:
        return ""
    kind = _LOW if voice.startswith("low") else _HIGH
    return f"+{kind}{voice[-1]}"
