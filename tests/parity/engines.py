"""Both engines side by side: runs are played in Python, and their traces in TypeScript at once."""

import hashlib
import json
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.program import Program

from tests.core.question_runs import answers, quizzes
from tests.core.strategies import any_run, programs, runs
from tests.parity.hostile import hostile, renamed
from tests.parity.traces import trace

WEB = Path(__file__).parents[2] / "web"
KEPT = Path(__file__).with_name("kept")


class Differ(AssertionError):
    """The engines differ in a run."""


class Engines:
    """The TypeScript engine, waiting for traces, beside the one in Python."""

    def __init__(self, process: "subprocess.Popen[str]") -> None:
        self._process = process
        self.last: dict[str, Any] = {}

    def agree(self, program: Program, seed_: int, events: list[dict[str, Any]]) -> None:
        """Play a run in both. Raises `Differ` where they are not the same."""
        self.last = {
            "program": program.model_dump(mode="json"), "seed": seed_, "events": events}
        assert self._process.stdin and self._process.stdout
        self._process.stdin.write(json.dumps(trace(program, seed_, events)) + "\n")
        self._process.stdin.flush()
        where = json.loads(self._process.stdout.readline())
        if where:
            raise Differ(where)

    def keep(self) -> Path:
        """Write the last run where `make test` finds it, under a name made from it."""
        text = json.dumps(self.last, indent=1)
        path = KEPT / f"{hashlib.sha256(text.encode()).hexdigest()[:12]}.json"
        path.write_text(text)
        return path


@contextmanager
def engines(folder: Path) -> Iterator[Engines]:
    """Give both engines for a while; the TypeScript one is built into `folder`."""
    script = folder / "replay.mjs"
    subprocess.run(
        ["npx", "rolldown", "tests/replayLines.ts", "--platform", "node", "--format", "esm",
         "--file", str(script)], cwd=WEB, capture_output=True, check=True)
    with subprocess.Popen(["node", str(script)], stdin=subprocess.PIPE, stdout=subprocess.PIPE,
                          text=True) as process:
        try:
            yield Engines(process)
        finally:
            process.kill()


def try_runs(both: Engines, seed_: int, count: int) -> None:
    """Play `count` random runs of each sort, and shrink what differs.

    Raises `Differ` for the smallest run that was found; it is the last of `both`.
    """
    sure = settings(
        max_examples=count, database=None, deadline=None,
        phases=[Phase.generate, Phase.shrink], suppress_health_check=list(HealthCheck))
    number = st.integers(0, 2**32 - 1)

    @sure
    @given(programs(), number, runs)
    def plain(program: Program, run_seed: int, events: list[dict[str, Any]]) -> None:
        both.agree(program, run_seed, events)

    @sure
    @given(programs(), number, st.integers(0, 40))
    def odd(program: Program, run_seed: int, length: int) -> None:
        ids = hostile(run_seed)
        named = Program.model_validate(renamed(program.model_dump(mode="json"), ids))
        both.agree(named, run_seed, renamed(any_run(run_seed, length), ids))

    @sure
    @given(quizzes(), number)
    def asked(program: Program, run_seed: int) -> None:
        both.agree(program, run_seed, answers(program, run_seed))

    for sort in (plain, odd, asked):
        seed(seed_)(sort)()
