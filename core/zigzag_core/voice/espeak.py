"""Speaks by the espeak-ng library, which is loaded with its voices from a package.

Source: espeak-ng, ``speak_lib.h`` (the names of the C functions, flags and events are its own). The
library keeps one state: one text is spoken at a time.
"""

import ctypes
from collections.abc import Mapping
from functools import cache
from threading import Lock
from typing import Any

import espeakng_loader

from zigzag_core.errors import CannotSpeak

from .speech import FASTEST, LONGEST_SPOKEN, SLOWEST, VOICES, Manner, Speech

_SYNCHRONOUS = 2
_UTF8 = 1
_RATE, _PITCH = 1, 3
_LOW, _HIGH = "m", "f"
_speaking = Lock()


class _Voice(ctypes.Structure):
    _fields_ = [("name", ctypes.c_char_p), ("languages", ctypes.c_char_p),
                ("identifier", ctypes.c_char_p)]


_Heard = ctypes.CFUNCTYPE(
    ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.c_void_p)


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
    """Return `text` as it is spoken.

    Raises `CannotSpeak` for a language without a voice, and for more than `LONGEST_SPOKEN`
    characters.
    """
    if len(text) > LONGEST_SPOKEN:
        raise CannotSpeak(f"At most {LONGEST_SPOKEN:,} characters are spoken at once.")
    if manner.voice not in VOICES:
        raise CannotSpeak(f"There is no voice “{manner.voice}”.")
    library, rate = _library()
    voice = languages()[language_for(manner.language)] + _variant(manner.voice)
    samples = bytearray()

    def heard(wave: object, count: int, events: object) -> int:
        if wave and count > 0:
            samples.extend(ctypes.string_at(wave, 2 * count))  # type: ignore[arg-type]
        return 0

    plain = "".join(one if one.isprintable() else " " for one in text)
    data = plain.encode("utf-8", "replace")
    with _speaking:
        callback = _Heard(heard)
        library.espeak_SetSynthCallback(callback)
        if library.espeak_SetVoiceByName(voice.encode()):
            raise CannotSpeak(f"There is no voice for the language “{manner.language}”.")
        library.espeak_SetParameter(_RATE, min(max(manner.speed, SLOWEST), FASTEST), 0)
        library.espeak_SetParameter(_PITCH, min(max(manner.pitch, 0), 99), 0)
        if library.espeak_Synth(data, len(data) + 1, 0, 1, 0, _UTF8, None, None):
            raise CannotSpeak("The text could not be spoken.")
    return Speech(bytes(samples), rate)


def _variant(voice: str) -> str:
    """What is behind the name of a voice to make it lower or higher."""
    if not voice:
        return ""
    kind = _LOW if voice.startswith("low") else _HIGH
    return f"+{kind}{voice[-1]}"
