"""The player's own words, in several languages: what learners read that no author has written.

`en.json` has them all, with a key each; the other languages say the same. What stands in braces
is filled in: ``Slide {n} of {count}``. A course chooses by its language, and may have words of
its own. `new_questions.json` has what new questions say until their author writes something else:
it stands in the course then, and no player asks for it.
"""

import json
import re
from collections.abc import Callable, Mapping
from pathlib import Path
from typing import Any

LANGUAGES = ("en", "de", "fr", "es", "ar")
"""The languages that the player speaks, by their primary subtag (BCP 47); others get English."""
RIGHT_TO_LEFT = frozenset({"ar", "dv", "fa", "he", "ps", "sd", "ug", "ur", "yi"})
"""Languages that are written from right to left."""

_GAP = re.compile(r"\{([a-z]+)\}")

Words = Mapping[str, str]
Say = Callable[..., str]
"""Gives the words for a key: ``say("place", n=3, count=12)``."""


def _read(name: str) -> dict[str, Any]:
    text = (Path(__file__).parent / f"{name}.json").read_text(encoding="utf-8")
    words: dict[str, Any] = json.loads(text)
    return words


_CATALOGUES: Mapping[str, Words] = {language: _read(language) for language in LANGUAGES}
_NEW_QUESTIONS: Mapping[str, Words] = _read("new_questions")
ENGLISH: Words = _CATALOGUES["en"]
_ENGLISH_OF_ALL: Words = {**_NEW_QUESTIONS["en"], **ENGLISH}


def primary(language: str) -> str:
    """Return the primary subtag of a language tag: ``de`` of ``de-CH``."""
    return language.split("-")[0]


def direction(language: str) -> str:
    """Return how `language` is written: ``rtl`` from right to left, else ``ltr``."""
    return "rtl" if primary(language) in RIGHT_TO_LEFT else "ltr"


def player_words(language: str, own: Words) -> dict[str, str]:
    """Return all words of the player in `language`, but for the author's `own`, by key."""
    usual = _CATALOGUES.get(primary(language), ENGLISH)
    return {key: own.get(key) or usual[key] for key in ENGLISH}


def not_english(words: Words) -> dict[str, str]:
    """Return those of `words` that are not the English ones: what a program has to carry."""
    return {key: text for key, text in words.items() if text != ENGLISH.get(key)}


def say_with(words: Words) -> Say:
    """Return what says `words`; what they lack is said in English."""
    def say(key: str, **values: object) -> str:
        text = words.get(key) or _ENGLISH_OF_ALL[key]
        return _GAP.sub(lambda gap: str(values.get(gap[1], gap[0])), text) if values else text
    return say


def say_in(language: str, own: Words) -> Say:
    """Return what says the player's words and those of new questions in `language`, but for the
    author's `own`."""
    of_questions = _NEW_QUESTIONS.get(primary(language), {})
    return say_with({**of_questions, **player_words(language, own)})


say_english: Say = say_with(ENGLISH)

