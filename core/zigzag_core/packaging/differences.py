"""What is different between two publications of a course, in words."""

import json
from collections.abc import Iterable, Iterator, Mapping
from typing import Any

from zigzag_core.course.names import some_of

Fields = Mapping[str, Any]
_WORDS = frozenset({"text", "label", "alt", "transcript", "message", "placeholder", "words"})
_SETTINGS = {
    "title": "title", "language": "language", "theme": "theme", "completion": "completion",
    "pass_mark": "pass mark", "scoring": "score", "navigation": "navigation", "words": "words of "
    "the player", "variables": "variables", "sounds": "background sound",
}


def differences(before: Fields, now: Fields) -> list[str]:
    """Return what is different in the program `now`, a sentence for each sort of thing.

    Both are programs as JSON, in which what is as by default may be left out.
    """
    old, new = _by_id(before, "slides"), _by_id(now, "slides")
    both = [name for name in new if name in old]
    changed = [name for name in both if _json(old[name]) != _json(new[name])]
    reworded = [name for name in changed if [*_said(old[name])] != [*_said(new[name])]]
    found = [
        _named("New", "slide", (new[name]["title"] for name in new if name not in old)),
        _named("Gone", "slide", (old[name]["title"] for name in old if name not in new)),
        _named("Other words on", "slide", (new[name]["title"] for name in reworded)),
        _named("Other looks or actions on", "slide", (
            new[name]["title"] for name in changed if name not in reworded)),
        "The order of the slides" if both != [name for name in old if name in new] else "",
    ]
    asked, asks = _by_id(before, "questions"), _by_id(now, "questions")
    found += [
        _named("New", "question", (_prompt(asks[name]) for name in asks if name not in asked)),
        _named("Gone", "question", (_prompt(asked[name]) for name in asked if name not in asks)),
        _named("Other judging of", "question", (
            _prompt(asks[name]) for name in asks
            if name in asked and _json(asks[name]) != _json(asked[name]))),
    ]
    settings = [words for name, words in _SETTINGS.items() if before.get(name) != now.get(name)]
    if settings:
        found.append(f"Settings: {', '.join(settings)}")
    return [f"{one}." for one in found if one]


def _by_id(program: Fields, kind: str) -> dict[str, Fields]:
    return {one["id"]: one for one in program.get(kind, ())}


def _json(value: object) -> str:
    return json.dumps(value, sort_keys=True)


def _prompt(question: Fields) -> str:
    return str(question.get("prompt") or question.get("name", ""))


def _said(value: object) -> Iterator[str]:
    """All that a slide says, in order."""
    if isinstance(value, list):
        for one in value:
            yield from _said(one)
    elif isinstance(value, Mapping):
        for name, held in value.items():
            if isinstance(held, str):
                if name in _WORDS:
                    yield held
            else:
                yield from _said(held)


def _named(what: str, kind: str, names: Iterable[str]) -> str:
    found = list(names)
    if not found:
        return ""
    return f"{what} {len(found)} {kind}{'' if len(found) == 1 else 's'}: {some_of(found)}"
