"""Tries the two languages against each other with fresh seeds, for some time (`make fuzz`).

Each round plays random programs and quizzes in both engines, compares random changes and names,
tries the property tests of the core, and plays random interleavings of edits. A run in which the
engines differ is made as small as can be, printed, and kept in `tests/parity/kept`; another seed
that fails is kept in `tests/parity/kept_seeds.txt`. From then on `make test` tries them too.
"""

import json
import os
import random
import subprocess
import sys
import tempfile
import time
from pathlib import Path

from tests.parity.engines import Differ, Engines, engines, try_runs
from tests.parity.seeds import KEPT

PYTHON = ("tests/parity/test_changes.py", "tests/parity/test_names.py")
WEB = ("changes", "names", "interleavings")
RUNS = 100


def engine_round(both: Engines, seed: int) -> str:
    """Return the smallest run found with `seed` in which the engines differ; empty if none."""
    try:
        try_runs(both, seed, RUNS)
    except Differ as difference:
        return f"{difference}\n{json.dumps(both.last)[:4_000]}\nIt is kept as {both.keep()}."
    return ""


def other_round(seed: int) -> str:
    """Return what went wrong with `seed` in all but the engines; empty where nothing did."""
    environment = {**os.environ, "ZIGZAG_FUZZ_SEED": str(seed),
                   "ZIGZAG_PROPERTIES": "fresh"}
    commands = (
        ([sys.executable, "-m", "pytest", "-q", *PYTHON], "."),
        ([sys.executable, "-m", "pytest", "-q", "tests/core", "-m", "hypothesis"], "."),
        (["npx", "vitest", "run", *(f"../web/tests/{name}.test.ts" for name in WEB)], "web"),
    )
    for command, folder in commands:
        done = subprocess.run(command, cwd=folder, env=environment, capture_output=True, text=True)
        if done.returncode:
            return done.stdout[-6_000:] + done.stderr[-2_000:]
    return ""


def main() -> int:
    minutes = float(sys.argv[1]) if len(sys.argv) > 1 else 5
    end = time.monotonic() + 60 * minutes
    rounds = 0
    with tempfile.TemporaryDirectory() as folder, engines(Path(folder)) as both:
        while time.monotonic() < end:
            seed = random.SystemRandom().randrange(2**31)
            print(f"seed {seed} …", flush=True)
            wrong = engine_round(both, seed)
            if not wrong and (wrong := other_round(seed)):
                with KEPT.open("a") as kept:
                    kept.write(f"{seed}\n")
            if wrong:
                print(f"{wrong}\nSeed {seed} failed.")
                return 1
            rounds += 1
    print(f"{rounds} rounds of {3 * RUNS} runs in {minutes:g} minutes, nothing found.")
    return 0


if __name__ == "__main__":
    sys.exit(main())
