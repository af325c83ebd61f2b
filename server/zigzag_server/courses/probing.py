"""`python -m zigzag_server.courses.probing [MS | levels] <FILE`: what a video or audio is, as JSON.

With MS it is the picture at this time instead, as JPEG; with `levels` how loud it is. Runs in a
process of its own with bounded memory and time: whatever a hostile file does to the decoders, it
does here. Ends with 3 and a sentence for people when the file cannot be used.
"""

import base64
import json
import resource
import sys
from dataclasses import asdict

from zigzag_core.errors import BadPlaying
from zigzag_core.media.levels import levels_of
from zigzag_core.media.playing import take_playing
from zigzag_core.media.stills import still_of

MEMORY = 3_000_000_000
CPU_SECONDS = 60


def main() -> int:
    """Look into the file that is the standard input; print what it is, or why it is refused."""
    allowed = resource.getrlimit(resource.RLIMIT_AS)[1]
    memory = MEMORY if allowed == resource.RLIM_INFINITY else min(MEMORY, allowed)
    resource.setrlimit(resource.RLIMIT_AS, (memory, memory))
    resource.setrlimit(resource.RLIMIT_CPU, (CPU_SECONDS, CPU_SECONDS))
    try:
        if sys.argv[1:] == ["levels"]:
            sys.stdout.write(json.dumps(asdict(levels_of(sys.stdin.buffer))))
            return 0
        if len(sys.argv) > 1:
            sys.stdout.buffer.write(still_of(sys.stdin.buffer, int(sys.argv[1])))
            return 0
        found = take_playing(sys.stdin.buffer)
    except BadPlaying as error:
        sys.stdout.write(str(error))
        return 3
    preview = base64.b64encode(found.preview).decode() if found.preview else ""
    chapters = [chapter.model_dump() for chapter in found.chapters]
    sys.stdout.write(json.dumps({**asdict(found), "preview": preview, "chapters": chapters}))
    return 0


if __name__ == "__main__":
    sys.exit(main())
