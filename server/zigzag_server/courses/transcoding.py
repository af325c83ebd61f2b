"""`python -m zigzag_server.courses.transcoding QUALITY FD <FILE`: a file that browsers play.

Runs in a process of its own with bounded memory and time. What is made goes into the open file
with the number FD. Prints how much is done, line by line; it ends when nobody reads these. Ends
with 3 and a sentence for people when the file cannot be used.
"""

import resource
import sys
from typing import cast

from zigzag_core.errors import BadPlaying
from zigzag_core.media.transcoding import Quality, transcode

MEMORY = 3_000_000_000
CPU_SECONDS = 4 * 3_600
LARGEST = 1_000_000_000
"""Bytes that may come of it."""


def main() -> int:
    """Transcode the file that is the standard input, or say why it is refused."""
    allowed = resource.getrlimit(resource.RLIMIT_AS)[1]
    memory = MEMORY if allowed == resource.RLIM_INFINITY else min(MEMORY, allowed)
    for what, most in (
        (resource.RLIMIT_AS, memory), (resource.RLIMIT_CPU, CPU_SECONDS),
        (resource.RLIMIT_FSIZE, LARGEST),
    ):
        resource.setrlimit(what, (most, most))
    quality, into = cast(Quality, sys.argv[1]), f"/proc/self/fd/{sys.argv[2]}"
    try:
        transcode(sys.stdin.buffer, into, quality, lambda share: print(share, flush=True))
    except BadPlaying as error:
        print(error)
        return 3
    return 0


if __name__ == "__main__":
    sys.exit(main())
