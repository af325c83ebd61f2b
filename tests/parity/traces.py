"""Traces for the TypeScript engine: what the reference did, step by step.

Each trace is one JSON file: the program, whole and as it is packaged, the seed, and for every
event the state after it, the effects, the saved progress and what an LMS is told.
"""

import json
from pathlib import Path
from typing import Any

from zigzag_core.engine import engine, state
from zigzag_core.engine.index import Index
from zigzag_core.program import Program
from zigzag_core.tracking import cmi5, progress, scorm12, scorm2004
from zigzag_core.tracking.shortened import LEVELS, shortened

SHORTENED_EVERY = 4
"""Shortened progress takes most of the time of a trace: after so many events each it is traced."""

HELD = ("primary",)
MOMENT = "2026-11-28T12:34:56.78Z"
"""An objective that the LMS has, and when answers were given: as in `web/tests/replay.ts`."""

TOLD: tuple[tuple[str, ...], ...] = ((), ("completed",), ("completed", "failed"), ("passed",))
ACTIVITY = "https://example.org/hut"

FOLDER = Path(__file__).parent / "traces"


def trace(program: Program, seed: int, events: list[dict[str, Any]]) -> dict[str, Any]:
    """Return the trace of one run."""
    index = Index(program)
    now = engine.start(index, seed)
    steps = []
    for number, event in enumerate(events):
        now, effects = engine.step(index, now, event)
        packed = progress.pack(index, now)
        steps.append({
            "event": event, "state": state.as_json(now), "effects": effects, "progress": packed,
            "shortened": [] if number % SHORTENED_EVERY else [
                progress.pack(index, shortened(index, now, level)) for level in range(1, LEVELS)],
            "restored": state.as_json(progress.unpack(index, packed)),
            "calls": scorm12.status_calls(index, now),
            "calls2004": scorm2004.status_calls(index, now, HELD),
            "interactions2004": [
                scorm2004.interaction_calls(index, effect, number, MOMENT)
                for effect in effects if effect["effect"] == "answered"
            ],
            "statements": cmi5.statements(
                index, now, effects, TOLD[number % len(TOLD)], ACTIVITY, number * 1_234),
            "interactions": [
                scorm12.interaction_calls(index, effect, number, "12:34:56")
                for effect in effects if effect["effect"] == "answered"
            ],
        })
    orders = {q: engine.choice_order(index, now, q) for q in index.questions}
    return {
        "program": program.model_dump(mode="json"),
        "packaged": program.model_dump(mode="json", exclude_defaults=True),
        "seed": seed, "steps": steps, "orders": orders,
    }


def write(name: str, traces: list[dict[str, Any]]) -> None:
    """Write traces where the TypeScript tests look for them."""
    FOLDER.mkdir(exist_ok=True)
    (FOLDER / f"{name}.json").write_text(json.dumps(traces))
