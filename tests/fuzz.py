"""Tries the two languages against each other with fresh seeds, for some time (`make fuzz`).

Each round writes traces of random programs, quizzes, changes and names with a new seed, lets the
TypeScript side reproduce them, and plays random interleavings of edits. The seed of a round that
fails is printed and kept in `tests/parity/kept_seeds.txt`: from then on `make test` tries it too.
"""

import os
import random
import subprocess
import sys
import time

from tests.parity.seeds import KEPT

PYTHON = ("tests/parity/test_traces.py", "tests/parity/test_changes.py",
          "tests/parity/test_names.py")
WEB = ("parity", "changes", "names", "interleavings")


def one_round(seed: int) -> str:
    """Return what went wrong with `seed`; empty where nothing did."""
    environment = {**os.environ, "ZIGZAG_FUZZ_SEED": str(seed)}
    commands = (
        ([sys.executable, "-m", "pytest", "-q", "-k", "random or changes or names", *PYTHON], "."),
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
    while time.monotonic() < end:
        seed = random.SystemRandom().randrange(2**31)
        print(f"seed {seed} …", flush=True)
        wrong = one_round(seed)
        if wrong:
            with KEPT.open("a") as kept:
                kept.write(f"{seed}\n")
            print(wrong)
            print(f"Seed {seed} failed; it is kept in {KEPT.name}.")
            return 1
        rounds += 1
    print(f"{rounds} rounds in {minutes:g} minutes, nothing found.")
    return 0


if __name__ == "__main__":
    sys.exit(main())
