"""From what was written elsewhere to the text of a script: tables, lists, marks of other hands.

Nothing is left out: what has no place in a script stays as a line of its own, and reading the
script tells of it.
"""

import csv
import io
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from .marks import bracketed, marked, parted

COLUMNS: Mapping[str, tuple[str, ...]] = {
    "turn": ("turn", "scene", "step", "node", "passage", "id", "name"),
    "speaker": ("speaker", "who", "character", "person", "role"),
    "mood": ("mood", "how", "emotion", "tone"),
    "line": ("line", "text", "says", "words", "dialogue", "script"),
    "reply": ("reply", "answer", "choice", "option", "response"),
    "leads": ("leads to", "leads", "goto", "go to", "next", "then", "target", "to"),
    "points": ("points", "score"),
    "ending": ("ending", "end"),
}
"""By column of a table: the words that may stand in its first row."""

_ORDER = ("turn", "speaker", "line", "reply", "leads")
"""The columns of a table whose first row does not name them."""

_BULLET = re.compile(r"(?:[-*•‣◦–—·▪○]|\(?(?:\d{1,2}|[a-zA-Z])[.)]|\[\s?\])\s+(?=\S)")
_LONG_ARROW = re.compile(r"-{2,}>")
_ARROW = re.compile(r"\s*(?:=>|⇒|➜|➔|⟶|\((?:go ?to|leads to|next):?\s*([^()]+)\))\s*",
                    re.IGNORECASE)
_EMPHASIS = re.compile(r"\*\*(.+?)\*\*|__(.+?)__")
_MOOD_IN_SQUARE = re.compile(r"([^\W\d_][^:()\[\]]{0,59}?)\s*\[([^\[\]:]{1,40})\]\s*:\s*")
_MOOD_BEHIND = re.compile(r"([^\W\d_][^:()\[\]]{0,59}?)\s*:\s*\(([^()]{1,40})\)\s*")
_SCENE = re.compile(r"(?:scene|turn|step)\s*\d*\s*[:.–—-]\s*(.+)", re.IGNORECASE)
_FENCE = re.compile(r"`{3,}.*")


@dataclass(frozen=True)
class Pasted:
    """A script's `text`, and whether it was read from a table of so many `rows`."""

    text: str
    rows: int = 0


def pasted(text: str) -> Pasted:
    """Return what was copied elsewhere as the text of a script.

    Tables come with tabs, semicolons, commas or bars between their cells. Lists become replies,
    bold words are as others, other arrows are ``->``, scenes are turns.
    """
    text = text.replace("\r\n", "\n").replace("\r", "\n").replace("\u00a0", " ")
    rows = _rows(text)
    if rows:
        return Pasted("\n".join(_from_table(rows)) + "\n", len(rows))
    return Pasted("\n".join(_plain(line) for line in text.split("\n")
                            if not _FENCE.fullmatch(line.strip())))


def _rows(text: str) -> list[dict[str, str]]:
    """The rows of a table, by column; none where the text is no table."""
    lines = [line for line in text.split("\n") if line.strip()]
    for cells in _split(lines):
        if len(cells) < 2:
            continue
        names = [_column(cell) for cell in cells[0]]
        named = [name for name in names if name]
        if len(set(named)) == len(named) and {"line", "reply"} & set(named) and len(named) >= 2:
            return [_row(names, row) for row in cells[1:]]
        if min(map(len, cells)) >= 3 and len(cells[0]) == len(_ORDER) and "\t" in lines[0]:
            return [_row(_ORDER, row) for row in cells]
    return []


def _split(lines: Sequence[str]) -> Iterator[list[list[str]]]:
    """The lines as cells, for each of the marks that may stand between them."""
    if not lines:
        return
    for mark in "\t;,":
        if mark in lines[0]:
            yield [row for row in csv.reader(io.StringIO("\n".join(lines)), delimiter=mark)
                   if any(cell.strip() for cell in row)]
    if lines[0].count("|") >= 2:
        bars = [[cell.strip() for cell in line.strip().strip("|").split("|")] for line in lines]
        yield [row for row in bars if not all(set(cell) <= set("-: ") for cell in row)]


def _column(cell: str) -> str | None:
    word = cell.strip().casefold()
    return next((name for name, words in COLUMNS.items() if word in words), None)


def _row(names: Sequence[str | None], cells: Sequence[str]) -> dict[str, str]:
    """A row by column; cells that no column names are joined to the line."""
    found: dict[str, str] = {}
    for number, cell in enumerate(cells):
        name = names[number] if number < len(names) else None
        words = " ".join(cell.split())
        if words:
            key = name or "rest"
            found[key] = f"{found[key]} {words}" if key in found else words
    return found


def _from_table(rows: Sequence[Mapping[str, str]]) -> Iterator[str]:
    now = None
    for row in rows:
        turn = row.get("turn", "")
        if turn and turn != now:
            if now is not None:
                yield ""
            ending = row.get("ending", "")
            kind = ending.casefold() if ending.casefold() in ("good", "bad") else ""
            yield f"## {marked(turn)}" + (f" [ending {kind}]".replace(" ]", "]") if ending else "")
            now = turn
        reply, leads = row.get("reply", ""), row.get("leads", "")
        to = f" -> {marked(leads)}" if leads else ""
        if line := row.get("line", ""):
            mood = f" ({row['mood']})" if row.get("mood") else ""
            yield f"{row.get('speaker') or 'Advice'}{mood}: {marked(line)}" + (
                "" if reply else to)
        if reply:
            points = f" [points {row['points']}]" if row.get("points") else ""
            yield f"  > {marked(reply)}{to}{points}"
        elif leads and not line:
            yield to.strip()
        if rest := row.get("rest"):
            yield marked(rest)


def _plain(line: str) -> str:
    """A line of a text, in the marks of a script."""
    indent = line[:len(line) - len(line.lstrip())]
    words = _EMPHASIS.sub(lambda found: found[1] or found[2], line.strip())
    words = _LONG_ARROW.sub("->", words)
    if scene := _SCENE.fullmatch(words):
        return f"## {scene[1]}"
    if not words.startswith((">", "›", "#", "->", "→")):
        words = _BULLET.sub("> ", words, count=1) if _BULLET.match(words) else words
    words = _MOOD_IN_SQUARE.sub(r"\1 (\2): ", words, count=1) \
        if _MOOD_IN_SQUARE.match(words) else words
    words = _MOOD_BEHIND.sub(r"\1 (\2): ", words, count=1) if _MOOD_BEHIND.match(words) else words
    before, settings = bracketed(words)
    if not parted(before)[1]:
        before = _ARROW.sub(lambda found: f" -> {found[1] or ''}", before).rstrip()
        words = before.lstrip() if settings is None else f"{before} [{settings}]"
    return indent + words
