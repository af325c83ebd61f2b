"""`make faults`: kills, a full disk, a locked database, bad lines and a clock that jumps.

Each round has a fresh server. Several people work with it while faults happen; whatever the
server has accepted is remembered. After each round all of that must be there, all that is stored
must be whole, and nothing may lie about that nothing names.
"""

import http.client
import json
import os
import random
import signal
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
import traceback
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import Any

from tests.bad_line import BadLine
from tests.core.test_package import NAMESPACES, SEVERAL, zipped
from tests.running import Server
from tests.server.noise import noise

LEFT_OVER = """
import json
from datetime import timedelta
from django.core.files.storage import default_storage
from django.utils import timezone
from zigzag_server.practice.models import Package
from zigzag_server.publishing.models import Publication
from zigzag_server.storage import files_in
from zigzag_server.upkeep.cleaning import clean
from zigzag_server.courses.models import Course, SharedFile
clean(timezone.now() + timedelta(days=2))
named = {file["sha256"] for row in Course.objects.all() for file in row.document["media"]}
named |= set(SharedFile.objects.values_list("sha256", flat=True))
left = [path for path in files_in("media") if path.rpartition("/")[2] not in named]
left += [path for folder in ("unfinished", "uploads", "results") for path in files_in(folder)]
left += set(files_in("packages")) - set(Publication.objects.values_list("file", flat=True))
folders = set(Package.objects.values_list("folder", flat=True))
left += [path for path in files_in("practice") if "/".join(path.split("/")[:2]) not in folders]
print(json.dumps(left))
"""
PACKAGE = zipped({"imsmanifest.xml": SEVERAL.format(ns=NAMESPACES).encode(),
                  "all/res/one/start.html": b"one", "top/start.html": b"top"})


class Unknown(Exception):
    """No answer came: what was asked for may have been done, or not."""


class Refused(Exception):
    """The server has said that it was not done."""


class Author:
    """An author at work, who remembers what was accepted."""

    def __init__(self, port: int, host: str, seed: int, token: str, slug: str) -> None:
        self.port, self.host, self.random = port, host, random.Random(seed)
        self.token, self.slug = token, slug
        self.saved: list[str] = []
        self.asked: list[str] = []
        self.shared: dict[int, bytes] = {}
        self.packages: set[int] = set()
        self.practice: set[int] = set()
        self.imported: set[str] = set()
        self.visits: dict[str, list[str]] = {}
        self.committed: dict[str, str] = {}
        self.wrong: list[str] = []

    def ask(self, method: str, path: str, body: object = None,
            type_: str = "application/json", host: str = "") -> Any:
        """Return the answer as JSON or bytes. Raises `Unknown` or `Refused`."""
        data = body if isinstance(body, bytes) or body is None else json.dumps(body).encode()
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=60)
        try:
            connection.request(method, path, data, {
                "Host": host or self.host, "Content-Type": type_, "Connection": "close",
                "Authorization": f"Bearer {self.token}"})
            answer = connection.getresponse()
            said = answer.read()
            length = answer.getheader("Content-Length") or answer.getheader("Transfer-Encoding")
            if length is None and answer.status != 204:
                raise Unknown("the answer was cut in its head")
        except (OSError, http.client.HTTPException) as error:
            raise Unknown(str(error)) from None
        finally:
            connection.close()
        if answer.status >= 500 and answer.status != 503:
            self.wrong.append(f"{method} {path}: {answer.status} {said[:300]!r}")
        if answer.status >= 400:
            raise Refused(f"{method} {path}: {answer.status} {said[:200]!r}")
        is_json = (answer.getheader("Content-Type") or "").startswith("application/json")
        return json.loads(said) if is_json else said

    def api(self, method: str, path: str, body: object = None,
            type_: str = "application/json") -> Any:
        return self.ask(method, f"/api{path}", body, type_)

    def job(self, asked: Any) -> dict[str, Any]:
        """Wait for the end of a job; return its result. Raises `Refused` where it failed."""
        while asked["state"] in ("queued", "running"):
            time.sleep(0.1)
            with suppress(Unknown):
                asked = self.api("GET", f"/jobs/{asked['id']}")
        if asked["state"] != "done":
            if asked["problem"] and asked["problem"]["code"] == "broken":
                self.wrong.append(f"a job: {asked['problem']}")
            raise Refused(str(asked["problem"]))
        return dict(asked["result"])

    def upload(self, path: str, data: bytes) -> Any:
        body = (b'--x\r\nContent-Disposition: form-data; name="file"; filename="f"\r\n\r\n'
                + data + b"\r\n--x--\r\n")
        return self.api("POST", path, body, "multipart/form-data; boundary=x")

    # What is done at a turn

    def save(self) -> None:
        slide = self.api("GET", f"/courses/{self.slug}")["slides"][2]
        name, title = slide["slide"]["id"], f"Title {self.random.random()}"
        self.asked.append(title)
        self.api("POST", f"/courses/{self.slug}/changes", {
            "base": {"slides": {name: slide["version"]}}, "change": {"operations": [
                {"op": "set", "path": ["slides", name, "title"], "value": title,
                 "was": slide["slide"]["title"]}]}})
        self.saved.append(title)

    def share(self) -> None:
        picture = noise(self.random, 200)
        said = self.upload("/library", picture)
        self.shared[said["id"] if "id" in said else self.job(said)["shared"]] = picture

    def publish(self) -> None:
        kind = self.random.choice(["web", "scorm12"])
        made = self.job(self.api("POST", f"/courses/{self.slug}/packages", {"kind": kind}))
        self.packages.add(made["package"])

    def import_(self) -> None:
        job = self.api("POST", f"/courses/{self.slug}/archive")
        self.job(job)
        archive = self.api("GET", f"/jobs/{job['id']}/file")
        self.imported.add(self.job(self.upload("/courses/import", archive))["course"])

    def practise(self) -> None:
        if not self.visits or self.random.random() < 0.2:
            package = self.job(self.upload("/practice/packages", PACKAGE))["practice_package"]
            self.practice.add(package)
            url = self.api("POST", "/practice/launches", {
                "package": package, "learner": "ines-tarrow"})["url"]
            self.visits[url.rstrip("/").rpartition("/")[2]] = []
        visit = self.random.choice(list(self.visits))
        progress = f"{self.random.random()}"
        self.visits[visit].append(progress)
        self.ask("POST", f"/launch/{visit}/commit", {"cmi": {
            "core": {"lesson_status": "incomplete"}, "suspend_data": progress}},
            host=self.host.replace("localhost", "127.0.0.1"))
        self.committed[visit] = progress

    # What must be there in the end

    def lost(self, data: Path) -> Iterator[str]:
        """Say what was accepted and is not there."""
        title = self.api("GET", f"/courses/{self.slug}")["slides"][2]["slide"]["title"]
        if self.saved and title not in self.asked[self.asked.index(self.saved[-1]):]:
            yield f"{self.slug}: “{title}” stands where {self.saved[-1]} was saved"
        library: dict[int, Any] = {}
        while page := self.api("GET", f"/library?most=200&start={len(library)}"):
            library |= {one["id"]: one for one in page}
        for key, picture in self.shared.items():
            sha256 = library[key]["file"]["sha256"] if key in library else ""
            path = data / "files" / "media" / sha256[:2] / sha256
            if not sha256 or not path.exists() or path.read_bytes() != picture:
                yield f"library: {key} is not there as it was sent"
        for package in self.packages:
            self.api("GET", f"/packages/{package}/file")
        for slug in self.imported:
            self.api("GET", f"/courses/{slug}")
        for package in self.practice:
            self.api("GET", f"/practice/packages/{package}")
        with sqlite3.connect(data / "zigzag.sqlite3") as database:
            kept = dict(database.execute(
                "SELECT token, json_extract(core, '$.suspend_data') FROM practice_launch"
                " JOIN practice_attempt ON practice_attempt.id = attempt_id"))
        for visit, last in self.committed.items():
            asked = self.visits[visit]
            later = {progress for other in self.visits.values() for progress in other}
            if kept.get(visit) not in asked[asked.index(last):] and kept.get(visit) not in later:
                yield f"launch {visit}: {kept.get(visit)} stands where {last} was committed"


@contextmanager
def at_work(authors: list[Author]) -> Iterator[None]:
    """Have authors work until the block ends: each at one of the things that can be done."""
    going = threading.Event()
    going.set()

    def work(author: Author) -> None:
        turns: list[Callable[[], None]] = [
            author.save, author.save, author.share, author.publish, author.import_,
            author.practise, author.practise]
        while going.is_set():
            try:
                author.random.choice(turns)()
            except (Unknown, Refused):
                time.sleep(0.1)
            except Exception:
                author.wrong.append(traceback.format_exc())
                return

    threads = [threading.Thread(target=work, args=(author,)) for author in authors]
    for thread in threads:
        thread.start()
    try:
        yield
    finally:
        going.clear()
        for thread in threads:
            thread.join()


def descendants(process: int) -> list[int]:
    with suppress(OSError):
        text = Path(f"/proc/{process}/task/{process}/children").read_text()
        mine = [int(number) for number in text.split()]
        return mine + [each for one in mine for each in descendants(one)]
    return []


# The faults: each gets the server while people are at work, and ends with the fault taken back.


def kill_one(server: Server, chance: random.Random) -> None:
    """A process of the server, at random: one that answers, a worker, a job, or the first."""
    for _ in range(12):
        time.sleep(chance.uniform(0.2, 1.5))
        assert server.process
        processes = descendants(server.process.pid)
        if processes and chance.random() < 0.8:
            with suppress(ProcessLookupError):
                os.kill(chance.choice(processes), signal.SIGKILL)
        else:
            server.stop()
            server.start()


def lock_database(server: Server, chance: random.Random) -> None:
    """Another program holds the database's lock, for longer than anybody waits."""
    for seconds in (0.5, 3, 9):
        time.sleep(chance.uniform(0.2, 1))
        database = sqlite3.connect(
            f"{server.environment['ZIGZAG_DATA']}/zigzag.sqlite3", isolation_level=None)
        with suppress(sqlite3.OperationalError):
            database.execute("PRAGMA busy_timeout = 20000")
            database.execute("BEGIN IMMEDIATE")
            time.sleep(seconds)
            database.execute("ROLLBACK")
        database.close()


def fill_disk(server: Server, chance: random.Random) -> None:
    """No room is left, several times, to the last byte or almost."""
    data = Path(server.environment["ZIGZAG_DATA"])
    for _ in range(4):
        time.sleep(chance.uniform(0.5, 2))
        ballast = data.parent / "ballast"
        with suppress(OSError), ballast.open("wb", buffering=0) as file:
            while file.write(b"\0" * 65_536) == 65_536:
                pass
        if chance.random() < 0.5:
            os.truncate(ballast, max(0, ballast.stat().st_size - chance.randrange(500_000)))
        time.sleep(chance.uniform(0.5, 3))
        ballast.unlink()


def nothing(server: Server, chance: random.Random) -> None:
    """The line between is the fault."""
    time.sleep(10)


def pauses(server: Server, chance: random.Random) -> None:
    """Processes stand still for some seconds, as a machine does that swaps or sleeps."""
    for _ in range(4):
        time.sleep(chance.uniform(0.2, 1))
        assert server.process
        stopped = chance.sample(descendants(server.process.pid), 2)
        for number in (signal.SIGSTOP, signal.SIGCONT):
            for process in stopped:
                with suppress(ProcessLookupError):
                    os.kill(process, number)
            time.sleep(chance.uniform(0.5, 3))


def jump(server: Server, chance: random.Random) -> None:
    """The machine's clock goes back and forth, by seconds, hours and days."""
    clock = Path(server.environment["ZIGZAG_TEST_CLOCK"])
    for _ in range(8):
        time.sleep(chance.uniform(0.3, 1.5))
        # Written beside, so that no process reads half of it.
        beside = clock.with_suffix(".new")
        beside.write_text(f"{chance.choice((-1, -1, 1)) * chance.choice((5, 4_000, 200_000)):+d}")
        beside.replace(clock)
    beside.write_text("+0")
    beside.replace(clock)


def with_clock(server: Server, folder: Path) -> None:
    """Have the clock of a server's processes be as far off as a file says."""
    (folder / "clock").write_text("+0")
    server.environment |= {
        "PYTHONPATH": str(Path(__file__).parent / "clock"),
        "ZIGZAG_TEST_CLOCK": str(folder / "clock")}


FAULTS: dict[str, Callable[[Server, random.Random], None]] = {
    "kills": kill_one, "locked database": lock_database, "full disk": fill_disk,
    "bad line": nothing, "processes that stand still": pauses, "clock": jump,
}


@contextmanager
def room_for(fault: str) -> Iterator[Path]:
    """A folder for the data; for a full disk one on a small disk of its own."""
    with tempfile.TemporaryDirectory() as folder:
        if fault != "full disk":
            yield Path(folder)
            return
        subprocess.run(["mount", "-t", "tmpfs", "-o", "size=60m", "tmpfs", folder], check=True)
        try:
            yield Path(folder)
        finally:
            subprocess.run(["umount", "--lazy", folder], check=True)


def round_of(fault: str, seed: int) -> list[str]:
    """Let a fault happen to a fresh server; return what is wrong after it."""
    chance = random.Random(seed)
    with room_for(fault) as folder:
        server = Server(folder / "data")
        if fault == "clock":
            with_clock(server, folder)
        server.manage("migrate", "--verbosity", "0")
        made = server.authors(5, 30)
        server.start()
        host = f"localhost:{server.port}"
        try:
            with BadLine(server.port, seed if fault == "bad line" else None) as line:
                authors = [Author(line.port, host, seed + n, *one) for n, one in enumerate(made)]
                with at_work(authors):
                    FAULTS[fault](server, chance)
            for author in authors:
                author.port = server.port
            wrong = [each for author in authors for each in author.wrong]
            for author in authors:
                wrong += author.lost(folder / "data")
            server.stop()
            wrong += server.manage("verify", allowed=(0, 1)).splitlines()
            wrong += server.shell(LEFT_OVER)
            done = sum(len(a.saved) + len(a.shared) + len(a.packages) + len(a.imported)
                       + len(a.practice) + len(a.committed) for a in authors)
            print(f"{fault:<28} seed {seed}: {done} accepted", flush=True)
        finally:
            server.stop()
    return [each for each in wrong if each != "All that is stored is there and whole."]


def main() -> int:
    minutes = float(sys.argv[1]) if len(sys.argv) > 1 else 5
    seed = (int(sys.argv[2]) if len(sys.argv) > 2 else 0) or random.randrange(1, 10**6)
    faults = sys.argv[3:] or list(FAULTS)
    until, rounds = time.monotonic() + minutes * 60, 0
    while rounds < len(faults) or time.monotonic() < until:
        fault = faults[rounds % len(faults)]
        if wrong := round_of(fault, seed + rounds):
            print(f"{fault}, seed {seed + rounds}:", *wrong[:20], sep="\n  ")
            return 1
        rounds += 1
    print(f"{rounds} rounds, nothing lost")
    return 0


if __name__ == "__main__":
    sys.exit(main())
