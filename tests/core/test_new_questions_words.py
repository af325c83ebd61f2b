"""New questions speak the language of their course, in all that they say."""

import json
from importlib import resources
from itertools import count

import pytest
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.questions.new_questions import new_question, sample_words
from zigzag_core.course.text.spoken import spoken
from zigzag_core.words import ENGLISH, LANGUAGES, say_in


def said(kind, language):
    """All that the elements of a new question say, by their order."""
    elements, question = new_question(
        kind, (f"part{n:04}" for n in count()).__next__, say=say_in(language, {}))
    return [spoken(element) for element in elements], question


@pytest.mark.parametrize("kind", QUESTION_KINDS)
@pytest.mark.parametrize("language", [one for one in LANGUAGES if one != "en"])
def test_nothing_of_a_new_question_stays_english(kind, language):
    english, _ = said(kind, "en")
    here, question = said(kind, language)
    assert len(here) == len(english)
    assert not [words for words, other in zip(here, english, strict=True)
                if words not in ("", "Picture") and words == other]
    assert not {"Boots", "boots", "drying", "answer"} & {
        word for part in getattr(question, "blanks", ()) for word in part.accepts.words}


@pytest.mark.parametrize("language", LANGUAGES)
def test_blanks_take_the_words_of_their_sentence(language):
    _, question = said("blanks", language)
    words = [part.accepts.words for part in question.blanks]
    assert len(words) == 2 and all(len(one) == 1 and one[0] for one in words)


def test_samples_are_known_in_every_language():
    found = sample_words("single_choice")
    assert {"The right answer", "Die richtige Antwort", "La bonne réponse"} <= found


def test_they_have_keys_of_their_own():
    # The player's words would stand in their place.
    folder = resources.files("zigzag_core.words")
    made = json.loads(folder.joinpath("new_questions.json").read_text())
    assert all(not made[language].keys() & ENGLISH.keys() for language in LANGUAGES)
    assert len({frozenset(words) for words in made.values()}) == 1
