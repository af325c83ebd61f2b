"""`make load`: a minute of many people at work, on a real server, and whether all of it is kept.

Prints how long they wait. Ends with 1 where anything failed or was lost; no time is a failure.
"""

import http.client
import json
import random
import statistics
import sys
import tempfile
import threading
import time
from collections import defaultdict
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from tests.running import Server

LAUNCHES = """
import json
from django.contrib.auth.models import User
from zigzag_server.practice.models import Attempt, Launch, Package, Sco
package = Package.objects.create(
    owner=User.objects.first(), title="Load", folder="x", files=0, size=0)
sco = Sco.objects.create(package=package, number=1, title="Load", launch="start.html")
print(json.dumps([Launch.objects.create(attempt=Attempt.objects.create(
    sco=sco, learner=f"learner{{n}}", number=1)).token for n in range({learners})]))
"""
KEPT = """
import json
from zigzag_server.practice.models import Launch
print(json.dumps({token: core["suspend_data"] for token, core in
    Launch.objects.values_list("token", "attempt__core") if core}))
"""


FILL = """
from zigzag_server.courses import store
from zigzag_server.courses.models import Course, SharedFile, Revision
from zigzag_server.practice.models import Call, Launch, Package, Sco
from django.contrib.auth.models import User
from django.utils import timezone
user = User.objects.get(username="author0")
first = Course.objects.get(owner=user)
rows = [Course(owner=user, slug=f"course-{{n}}", title=f"Course {{n}}", document=first.document)
        for n in range({many})]
Course.objects.bulk_create(rows)
file = first.document["media"][0]
SharedFile.objects.bulk_create(SharedFile(
    owner=user, sha256=f"{{n:064}}", document={{**file, "sha256": f"{{n:064}}"}})
    for n in range({many}))
Package.objects.bulk_create(Package(
    owner=user, title=f"Package {{n}}", folder=f"practice/{{n}}", files=1, size=1)
    for n in range({many}))
slide = first.slide_rows.first()
Revision.objects.bulk_create(Revision(
    course=first, slide_id=slide.slide_id, version=0, document=slide.document, author=user,
    title="Kept")
    for n in range({many}))
visit = Launch.objects.first()
Call.objects.bulk_create(Call(
    launch=visit, index=n, at=timezone.now(), method="LMSSetValue",
    arguments=["cmi.suspend_data", "x" * 500], result="true", error="0")
    for n in range(5 * {many}))
"""


class Measured:
    """How long each kind of request took, in s, and what went wrong."""

    def __init__(self) -> None:
        self.times: dict[str, list[float]] = defaultdict(list)
        self.wrong: list[str] = []

    @contextmanager
    def timed(self, what: str) -> Iterator[None]:
        begin = time.perf_counter()
        yield
        self.times[what].append(time.perf_counter() - begin)

    def line(self, what: str, budget: str) -> None:
        times = sorted(self.times[what])
        if len(times) < 2:
            print(f"{what:<40} {len(times):>6} times")
            return
        p50, p95 = (statistics.quantiles(times, n=20)[n] for n in (9, 18))
        figures = " / ".join(f"{each * 1000:,.0f}" for each in (p50, p95, times[-1]))
        print(f"{what:<40} {len(times):>6} times  p50 / p95 / longest  {figures} ms   {budget}",
              flush=True)


class Person:
    """Somebody at work: requests over one connection, at a pace of their own."""

    def __init__(self, server: Server, measured: Measured, seed: int, token: str = "") -> None:
        self.measured, self.random = measured, random.Random(seed)
        self.host = ("localhost" if token else "127.0.0.1") + f":{server.port}"
        self.headers = {"Content-Type": "application/json"} | (
            {"Authorization": f"Bearer {token}"} if token else {})
        self.connection = http.client.HTTPConnection(self.host, timeout=120)

    def ask(self, what: str, method: str, path: str, body: object = None) -> Any:
        with self.measured.timed(what):
            self.connection.request(
                method, path, json.dumps(body) if body is not None else None, self.headers)
            answer = self.connection.getresponse()
            data = answer.read()
        if answer.status >= 300:
            self.measured.wrong.append(f"{what}: {answer.status} {data[:200]!r}")
        return json.loads(data or b"null")

    def follow(self, method: str, path: str, body: object = None, seconds: float = 120) -> bool:
        """Ask for what is a job until it is known, with the pauses of a page (`api/jobs.ts`).

        Return whether it was known within so many seconds.
        """
        end, pause = time.monotonic() + seconds, 0.08
        said = self.ask("a light request", method, path, body)
        while isinstance(said, dict) and said.get("state") in ("queued", "running"):
            if time.monotonic() > end:
                return False
            time.sleep(pause)
            pause = min(pause * 1.4, 1)
            again = path if method == "GET" else f"/api/jobs/{said['id']}"
            said = self.ask("a light request", "GET", again)
        return True


class Author(Person):
    """An author, who gives a slide another title at each turn."""

    def __init__(self, server: Server, measured: Measured, seed: int, token: str, slug: str):
        super().__init__(server, measured, seed, token)
        self.course = f"/api/courses/{slug}"
        slide = self.ask("opening a course", "GET", self.course)["slides"][1]
        self.slide, self.version = slide["slide"]["id"], slide["version"]
        self.title = slide["slide"]["title"]

    def save(self) -> None:
        title = f"Title {self.random.random()}"
        answer = self.ask("saving a slide", "POST", f"{self.course}/changes", {
            "base": {"slides": {self.slide: self.version}}, "change": {"operations": [
                {"op": "set", "path": ["slides", self.slide, "title"], "value": title,
                 "was": self.title}]}})
        self.title, self.version = title, answer["versions"]["slides"][self.slide]

    def look(self) -> None:
        self.ask("a light request", "GET", "/api/courses")

    def check(self) -> None:
        """As the workbench does after a change (`shell/useCheck.ts`): a check, and after a rest
        trying out, until the next change."""
        self.save()
        with self.measured.timed("a check, from the save on"):
            self.follow("GET", f"{self.course}/check")
        time.sleep(4)
        begin = time.perf_counter()
        known = self.follow("GET", f"{self.course}/tried", seconds=8)
        self.measured.times["trying out" if known else "not tried out before the next change"] \
            .append(time.perf_counter() - begin)

    def publish(self) -> None:
        self.save()
        with self.measured.timed("publishing"):
            self.follow("POST", f"{self.course}/packages", {"kind": "scorm12"})

    def lost(self) -> bool:
        self.measured = Measured()
        return self.ask("", "GET", f"{self.course}/slides/{self.slide}")["slide"]["title"] \
            != self.title


class Learner(Person):
    """A learner in the practice LMS, whose progress is committed at each turn."""

    def __init__(self, server: Server, measured: Measured, seed: int, visit: str) -> None:
        super().__init__(server, measured, seed)
        self.visit, self.progress = visit, ""

    def commit(self) -> None:
        progress = f"{self.random.random()}".ljust(1_500, "x")
        self.ask("committing", "POST", f"/launch/{self.visit}/commit", {"cmi": {
            "core": {"lesson_status": "incomplete", "session_time": "0000:01:00.00"},
            "suspend_data": progress}})
        self.progress = progress


def keep_at(person: Person, turn: Callable[[], None], every: float, until: float) -> None:
    """Take turns, on average one `every` so many seconds, until a time of the clock."""
    time.sleep(person.random.uniform(0, every))
    while time.monotonic() < until:
        begin = time.monotonic()
        turn()
        pause = person.random.uniform(0.5, 1.5) * every
        time.sleep(max(0, min(begin + pause, until) - time.monotonic()))


def at_work(seconds: float, turns: list[tuple[Person, Callable[[], None], float]]) -> None:
    """Have all take their turns for so long."""
    until = time.monotonic() + seconds
    with ThreadPoolExecutor(len(turns)) as pool:
        for done in [pool.submit(keep_at, *turn, until) for turn in turns]:
            done.result()


@contextmanager
def prepared(slides: int, authors: int, learners: int) -> Iterator[
        tuple[Server, list[list[str]], list[str]]]:
    """A server with authors, who have a course each, and learners."""
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder))
        server.manage("migrate", "--verbosity", "0")
        made = server.authors(authors, slides)
        visits = server.shell(LAUNCHES.format(learners=learners))
        server.start()
        try:
            yield server, made, visits
        finally:
            server.stop()


def everyone(seconds: float, seed: int) -> Measured:
    """50 authors save, 200 learners commit, 5 publish."""
    measured = Measured()
    with prepared(20, 55, 200) as (server, made, visits):
        authors = [Author(server, measured, seed + n, *one) for n, one in enumerate(made)]
        learners = [Learner(server, measured, seed + n, one) for n, one in enumerate(visits)]
        at_work(seconds, [
            *((one, one.save, 2) for one in authors[:50]),
            *((one, one.publish, 1) for one in authors[50:]),
            *((one, one.commit, 5) for one in learners),
        ])
        measured.wrong += [f"{one.course}: a save is lost" for one in authors if one.lost()]
        kept = server.shell(KEPT)
        measured.wrong += [f"{one.visit}: a commit is lost" for one in learners
                           if one.progress and kept.get(one.visit) != one.progress]
    print(f"50 authors save, 200 learners commit, 5 publish, for {seconds:.0f} s")
    measured.line("saving a slide", "p95 150")
    measured.line("committing", "-")
    measured.line("publishing", "-")
    return measured


def checking(seconds: float, seed: int) -> Measured:
    """20 authors work on courses of 200 slides, each with a pause every ten seconds."""
    measured = Measured()
    with prepared(200, 20, 1) as (server, made, _):
        authors = [Author(server, measured, seed + n, *one) for n, one in enumerate(made)]
        looking = [Author(server, measured, seed - n, *one) for n, one in enumerate(made[:5])]
        at_work(seconds, [
            *((one, one.check, 10) for one in authors), *((one, one.look, 1) for one in looking)])
        measured.wrong += [f"{one.course}: a save is lost" for one in authors if one.lost()]
    print(f"20 authors on courses of 200 slides, checked after every pause, for {seconds:.0f} s")
    measured.line("saving a slide", "p95 150")
    measured.line("a light request", "p95 250")
    measured.line("a check, from the save on", "p50 2,000")
    measured.line("trying out", "-")
    measured.line("not tried out before the next change", "-")
    return measured


def growing(seed: int) -> Measured:
    """How long lists take with a hundred and with a thousand of all that they list."""
    wrong = Measured()
    for many in (100, 1_000):
        measured = Measured()
        with prepared(20, 1, 1) as (server, made, _):
            server.manage("shell", "-v", "0", "-c", FILL.format(many=many))
            author = Author(server, measured, seed, *made[0])
            # The first package was put in before the others.
            first = author.ask("-", "GET", f"/api/practice/packages?start={many}")[0]["id"]
            lists = {
                "the shelf": "/api/courses", "the library": "/api/library",
                "packages in the practice LMS": "/api/practice/packages",
                "states of a slide": f"{author.course}/slides/{author.slide}/states",
                "states of a course": f"{author.course}/history",
                "ten calls of many":
                    f"/api/practice/packages/{first}/learners/learner0/calls?attempt=1&most=10",
            }
            for _turn in range(40):
                for what, path in lists.items():
                    author.ask(what, "GET", path)
        print(f"lists with {many:,} of each")
        for what in lists:
            measured.line(what, "p95 100")
        wrong.wrong += measured.wrong
    return wrong


def main() -> int:
    seconds = float(sys.argv[1]) if len(sys.argv) > 1 else 60
    seed = (int(sys.argv[2]) if len(sys.argv) > 2 else 0) or random.randrange(1, 10**6)
    print(f"seed {seed}")
    threading.stack_size(256 * 1_024)
    wrong = [*everyone(seconds, seed).wrong, *checking(seconds, seed).wrong, *growing(seed).wrong]
    for each in wrong[:20]:
        print(each)
    print(f"{len(wrong)} wrong")
    return 1 if wrong else 0


if __name__ == "__main__":
    sys.exit(main())
