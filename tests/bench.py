"""`make bench`: the budgets that can be measured, one line per figure. Nothing fails on a time."""

import gc
import gzip
import http.client
import io
import json
import math
import os
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.parse
import urllib.request
import zipfile
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from functools import partial
from pathlib import Path

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import CourseDocument, Happens, NumberVariable, Rule, SlideSize, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.rules.rule import Calculate
from zigzag_core.editing.adding import add
from zigzag_core.editing.questions.pasted_table import with_table
from zigzag_core.editing.search import find
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.grading import answer_table as table
from zigzag_core.packaging.incremental import Compilation
from zigzag_core.packaging.package import place_in_package
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.quiz.numbers import quiz_numbers
from zigzag_core.tracking import progress
from zigzag_core.tracking.fullest import fullest
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.findings.runs import try_out
from zigzag_demo.generate import generated_course

from tests import hands
from tests.browser.driver import Page, chromium
from tests.browser.first_slide import Served, watch
from tests.core.making import HIDE, SHOW, button, course, slide, text
from tests.core.packing import archived, packaged
from tests.core.quiz_strategies import large_quiz
from tests.core.samples import fresh_ids
from tests.core.strategies import sensible_run
from tests.core.test_package import NAMESPACES, SEVERAL, zipped
from tests.demo_courses import hut_warden_basics
from tests.running import ROOT, Author, Server

PLAYER = ROOT / "web" / "dist" / "player"


def line(what: str, figure: str, budget: str) -> None:
    print(f"{what:<52} {figure:>22}   budget {budget}", flush=True)


def seconds(work: Callable[[], object], runs: int = 5) -> float:
    """Return the median time of `work` in seconds."""
    times = []
    for _ in range(runs):
        begin = time.perf_counter()
        work()
        times.append(time.perf_counter() - begin)
    return statistics.median(times)


def player_size() -> None:
    size = len(gzip.compress((PLAYER / "player-scorm12.js").read_bytes(), 9))
    line("player JavaScript, gzipped", f"{size / 1000:.1f} kB", "100 kB")


def quiz() -> None:
    questions, quiz = large_quiz()
    for order in ("kept", "mixed"):
        begin = time.perf_counter()
        quiz_numbers(quiz.model_copy(update={"order": order}), questions, 80)
        took = (time.perf_counter() - begin) * 1000
        line(f"numbers of 200 questions in 20 sets, {order}", f"{took:.0f} ms", "300 ms")


def packaging() -> None:
    gc.set_threshold(100_000, 50, 50)  # As jobs have it (`jobs/running.py`).
    files = {p.name: p.read_bytes() for p in PLAYER.iterdir()}

    def zip_only(entries: dict[str, bytes]) -> None:
        with zipfile.ZipFile(io.BytesIO(), "w", zipfile.ZIP_DEFLATED) as archive:
            for name, data in entries.items():
                archive.writestr(name, data)

    def package(document: CourseDocument, media: dict[str, bytes], kept: dict[str, str]) -> bytes:
        texts = [slide.model_dump_json() for slide in document.slides]
        compiled = Compilation(document.course, texts, kept).run(place_in_package)
        return packaged("scorm12", compiled, files, media)

    document, media = generated_course(200, 100, 1)
    texts = [slide.model_dump_json() for slide in document.slides]
    first = Compilation(document.course, texts)
    first.run(place_in_package)
    changed = {k: v for k, v in first.fresh.items() if k != document.course.slides[100]}
    bare = {name: data for name, data in read_zip(package(document, media, {})).items()
            if not name.startswith("media/")}
    zipping = seconds(lambda: zip_only(bare))

    def again(kept: dict[str, str]) -> float:
        return seconds(lambda: packaged(
            "scorm12", Compilation(document.course, texts, kept).run(place_in_package),
            files, media))

    for what, kept in (("for the first time", {}), ("after a change", changed)):
        ours = again(kept)
        line(f"packaging 200 slides {what} / zipping",
             f"{ours * 1000:.0f} ms / {zipping * 1000:.0f} ms = {ours / zipping:.2f}",
             "2" if kept else "-")
    figures = []
    for slides in (50, 200, 800):
        document, media = generated_course(slides, slides // 2, 1)
        both = seconds(lambda: (package(document, media, {}), findings(document)), 3)  # noqa: B023
        figures.append(f"{both / slides * 1000:.2f}")
    line("checks and packaging, ms a slide at 50, 200, 800", " ".join(figures), "linear")
    gc.set_threshold(700, 10, 10)


def growth() -> None:
    """How the time for a course grows from 200 to 800 slides, as slides to the power of a figure.

    Of each, the least processor time of nine counts. Both sizes take turns: a processor that is
    slower for a while is so for both.
    """
    gc.set_threshold(100_000, 50, 50)
    files = {p.name: p.read_bytes() for p in PLAYER.iterdir()}
    small, large = (_whole_course_works(slides, files) for slides in (200, 800))
    for what in small:
        least = [math.inf, math.inf]
        for _ in range(9):
            for size, works in enumerate((small, large)):
                begin = time.process_time()
                works[what]()
                least[size] = min(least[size], time.process_time() - begin)
        line(f"{what} from 200 to 800 slides: exponent",
             f"{math.log(least[1] / least[0], 4):.2f} ({least[1] * 1000:.0f} ms)", "1.1")
    gc.set_threshold(700, 10, 10)


def _whole_course_works(slides: int, files: dict[str, bytes]) -> dict[str, Callable[[], object]]:
    """What is done with a course as a whole, by name, each for one of so many `slides`."""
    document, media = generated_course(slides, slides // 2, 1)
    texts = [slide.model_dump_json() for slide in document.slides]
    compiled = Compilation(document.course, texts).run(place_in_package)
    return {
        "compile": partial(compile_course, document, place_in_package),
        "package": partial(packaged, "scorm12", compiled, files, media),
        "archive": partial(archived, document, media),
        "findings": partial(findings, document),
        "search": partial(find, document, "texts", "hut"),
    }


def saved_progress() -> None:
    for slides, questions, most in ((200, 100, "1,500"), (800, 400, "4,096")):
        document, _ = generated_course(slides, questions, 1, variables=50)
        program = compile_course(document, by_digest)
        index = Index(program)
        state = engine.run_all(index, 1, [{"event": "start"}, *(
            {"event": "slide", "target": name} for name in index.order)])
        text = progress.pack(index, replace(fullest(index), path=state.path, variables={
            v.id: 17.0 if isinstance(v, NumberVariable) else v.default for v in program.variables}))
        figure = in_node("packSpeed.ts", {
            "program": program.model_dump(mode="json"), "progress": text})
        line(f"saved progress, {slides} slides, {questions} answers",
             f"{len(text)} characters", most)
        told, judged, packed = json.loads(figure)
        line("  an event told to the tracker, in TypeScript", f"{told:,.0f} µs", "50 µs")
        line("  an answer told, with all points added up anew", f"{judged:,.0f} µs", "50 µs")
        line("  all of it packed, once for a burst", f"{packed:,.0f} µs", "-")


def in_node(script: str, data: dict[str, object]) -> str:
    """Return what a script of the web tests prints, which is given a file with `data`."""
    with tempfile.TemporaryDirectory() as folder:
        given, built = Path(folder) / "data.json", Path(folder) / "script.mjs"
        given.write_text(json.dumps(data))
        subprocess.run(
            ["npx", "rolldown", f"tests/{script}", "--platform", "node", "--format", "esm",
             "--file", str(built)],
            cwd=ROOT / "web", capture_output=True, check=True,
        )
        return subprocess.run(
            ["node", str(built), str(given)], capture_output=True, text=True, check=True).stdout


def engines() -> None:
    document, _ = hut_warden_basics()
    program = compile_course(document, by_digest)
    index = Index(program)
    events = sensible_run(index, 5, 2_000)

    def run() -> None:
        engine.run_all(index, 5, events)

    line("engine in Python, events a second", f"{len(events) / seconds(run):,.0f}", "20,000")
    done = in_node("engineSpeed.ts", {
        "program": program.model_dump(mode="json"), "events": events})
    line("engine in TypeScript, events a second", f"{float(done):,.0f}", "500,000")


def many_rules() -> CourseDocument:
    """A course of 60 slides with 400 sentences: counters, conditions, things shown and hidden."""
    slides = []
    for n in range(60):
        names = [f"s{n:02}b{m}aa" for m in range(6)]
        buttons = [
            button(name, Calculate(action="add", variable="scorevar", value=1),
                   SHOW(f"s{n:02}text"), condition=["<", ["variable", "scorevar"], 900],
                   otherwise=(HIDE(f"s{n:02}text"),))
            for name in names
        ]
        follows = Rule(id=f"s{n:02}follow", when=Happens(event="variable_changed",
                                                         of=("scorevar",)),
                       condition=["and", [">", ["variable", "scorevar"], n],
                                  ["clicked", names[0]]], do=(SHOW(f"s{n:02}text"),))
        slides.append(slide(f"slide{n:02}", *buttons, text(f"s{n:02}text"), rules=(follows,)))
    return course(*slides)


def trying() -> None:
    document, _ = generated_course(200, 100, 1)
    tried = try_out(document)
    time_ = seconds(lambda: try_out(document), 3)
    line("trying out 200 slides", f"{time_:.2f} s, {tried.statement.split()[0]} steps", "3 s")
    document = many_rules()
    index = Index(compile_course(document, by_digest))
    events = sensible_run(index, 5, 600)
    begun = [engine.start(index, 5)]

    def run() -> None:
        state = begun[0]
        for event in events:
            state, _ = engine.step(index, state, event, [])

    per_event = seconds(run) / len(events)
    line("an event among 400 sentences, in Python", f"{per_event * 1e6:.0f} µs", "1 ms")


def answer_table() -> None:
    """All rows of twelve answers: looked through, checked, compiled."""
    fresh = fresh_ids(3)
    page, *_ = add(blank_slide("Twelve", fresh), "multiple_response", fresh, SlideSize())
    name = page.questions[0].id
    words = [[f"Answer {n}"] for n in range(12)]
    page = with_table(page, name, "choices", 0, words, fresh)
    parts = [choice.id for choice in page.questions[0].choices]
    rows = tuple(row.model_copy(update={"words": rich(f"Row {row.id}")})
                 for row in table.all_rows(parts, fresh))
    asked = page.questions[0].model_copy(update={"table": rows})
    document = course(page.model_copy(update={"questions": (asked,)}))
    program = compile_course(document, by_digest)
    figures = (seconds(lambda: table.coverage(parts, rows)), seconds(lambda: findings(document)),
               seconds(lambda: compile_course(document, by_digest)))
    line("4,096 rows: what is open / checked / compiled",
         " / ".join(f"{figure * 1000:.0f}" for figure in figures) + " ms", "1 s")
    line("program with 4,096 rows", f"{len(program.model_dump_json()) / 1e6:.2f} MB", "1 MB")


def rehearsing(server: Server) -> None:
    """Click in a rehearsal of 60 slides and 400 sentences: until the ledger has it."""
    document = many_rules()
    browser = chromium()
    page = Page(browser, server.address)
    first_of_a_rehearsal(page)
    page.go("/")
    slug = page.call("POST", "/courses", {"title": "Four hundred sentences"})["slug"]
    old = page.call("GET", f"/courses/{slug}")
    for made in document.slides:
        page.call("PUT", f"/courses/{slug}/slides/{made.id}",
                  {"base": 0, "slide": made.model_dump(mode="json")})
    page.call("PUT", f"/courses/{slug}", {"base": old["version"], "course": {
        **old["course"], "slides": list(document.course.slides),
        "variables": [v.model_dump(mode="json") for v in document.course.variables],
    }})
    begin = time.perf_counter()
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.find("[data-element]")
    line("beginning a rehearsal with 400 sentences", f"{time.perf_counter() - begin:.2f} s", "3 s")
    frames = page.browser.execute_async_script("""
        const done = arguments[arguments.length - 1];
        const button = document.querySelector("button[data-element]");
        const times = [];
        let n = 0;
        const once = () => {
          const begin = performance.now();
          button.click();
          requestAnimationFrame(() => setTimeout(() => {
            times.push(performance.now() - begin);
            if (++n < 60) once(); else done(times);
          }));
        };
        once();
    """)
    line("a click among 400 sentences, until it is drawn, median / longest",
         f"{statistics.median(frames):.1f} / {max(frames):.1f} ms", "17 / 50 ms")
    browser.quit()


def first_of_a_rehearsal(page: Page) -> None:
    """From opening Rehearse until the course's first slide runs in it, in a page that is there."""
    page.go("/courses/hut-warden-basics/build")
    page.find("[data-stage]")
    took = []
    for _ in range(3):
        begin = time.perf_counter()
        page.browser.find_element("link text", "Rehearse").click()
        page.find("[data-coming], iframe[title='The course']")
        page.gone("[data-coming]")
        took.append(time.perf_counter() - begin)
        page.browser.find_element("link text", "Build").click()
        page.find("[data-stage]")
    line("opening Rehearse of 39 slides, until the first slide runs", f"{min(took):.2f} s", "1 s")


def committing(server: Server) -> None:
    """Ten launches commit as fast as they are answered; the senders share the processors."""
    mika = Author(server)
    package = zipped({"imsmanifest.xml": SEVERAL.format(ns=NAMESPACES).encode(),
                      "all/res/one/start.html": b"", "top/start.html": b""})
    number = mika.upload("/practice/packages", "p.zip", package)["practice_package"]
    urls = [
        mika.ask("POST", "/practice/launches", {"package": number, "learner": who["key"],
                                               "sco": sco})["url"]
        for who in mika.ask("GET", "/practice/learners") for sco in (1, 2)]
    cmi = {"core": {"lesson_status": "incomplete", "session_time": "0000:01:00.00"},
           "suspend_data": "x" * 1_500}
    sent = json.dumps({"cmi": cmi}).encode()
    lost: list[str] = []

    def commit_all(url: str) -> None:
        to = urllib.parse.urlsplit(url)
        connection = http.client.HTTPConnection(to.netloc)
        for _ in range(200):
            connection.request("POST", f"{to.path}commit", sent)
            answer = connection.getresponse()
            if answer.status != 200 or not json.loads(answer.read())["result"]:
                lost.append(url)

    begin = time.perf_counter()
    with ThreadPoolExecutor(len(urls)) as pool:
        list(pool.map(commit_all, urls))
    rate = 200 * len(urls) / (time.perf_counter() - begin)
    line("practice LMS: commits a second, ten at a time / lost", f"{rate:.0f} / {len(lost)}",
         "300 / 0")


def saving(server: Server) -> None:
    mika = Author(server)
    course = mika.ask("GET", "/courses/hut-warden-basics")
    slide, version = course["slides"][1]["slide"], course["slides"][1]["version"]
    name, title = slide["id"], slide["title"]
    times = []
    for n in range(200):
        before, title = title, f"Hut map {n}"
        change = {"operations": [
            {"op": "set", "path": ["slides", name, "title"], "value": title, "was": before}]}
        begin = time.perf_counter()
        saved = mika.ask("POST", "/courses/hut-warden-basics/changes", {
            "base": {"slides": {name: version}}, "change": change})
        version = saved["versions"]["slides"][name]
        times.append(time.perf_counter() - begin)
    p95 = statistics.quantiles(times, n=20)[-1]
    line("saving a slide over HTTP, p95", f"{p95 * 1000:.1f} ms", "30 ms")


def opening(server: Server) -> None:
    browser = chromium()
    page = Page(browser, server.address)
    page.go("/")
    for slides in (20, 200):
        slug = server.manage("generate", "--slides", str(slides), "--questions", str(slides // 2))
        times = []
        for _ in range(5):
            page.go("/account")
            page.words("Personal tokens", "h2")
            begin = time.perf_counter()
            page.go(f"/courses/{slug}/build")
            page.find("[data-handle]")
            times.append(time.perf_counter() - begin)
        line(f"opening {slides} slides in the workbench, to usable",
             f"{statistics.median(times):.2f} s", "1.5 s (200 slides)")
    dragging(page, server)
    browser.quit()


def dragging(page: Page, server: Server) -> None:
    """Drag one of 150 elements for two seconds; frame times as the browser counts them."""
    page.go("/courses/the-tool-library/build")
    page.find("[data-handle]")
    page.browser.execute_async_script("""
        const done = arguments[arguments.length - 1];
        const csrf = document.cookie.match(/csrftoken=([^;]*)/)[1];
        const head = {'Content-Type': 'application/json', 'X-CSRFToken': csrf};
        (async () => {
          const path = '/api/courses/the-tool-library';
          const course = await (await fetch(path)).json();
          const {slide, version} = course.slides[1];
          const base = slide.elements[1];
          slide.elements = Array.from({length: 150}, (_, n) => ({...base, id: 'drag' + (1000 + n),
            name: 'Box ' + n, x: (n % 15) * 84, y: Math.floor(n / 15) * 70, w: 78, h: 64, z: n}));
          slide.questions = [];
          await fetch(path + '/slides/' + slide.id, {method: 'PUT', headers: head,
            body: JSON.stringify({base: version, slide})});
          done();
        })();
    """)
    page.go("/courses/the-tool-library/build")
    page.click("[data-stop-button='1']")
    page.until(lambda: len(page.all("[data-handle]")) == 150)
    frames = page.browser.execute_async_script("""
        const done = arguments[arguments.length - 1];
        const handle = document.querySelector('[data-handle=drag1070]');
        const box = handle.getBoundingClientRect();
        const at = (type, x, y) => handle.dispatchEvent(new PointerEvent(type, {bubbles: true,
          pointerId: 1, button: 0, clientX: box.x + 9 + x, clientY: box.y + 9 + y}));
        handle.setPointerCapture = () => {};
        at('pointerdown', 0, 0);
        const times = [];
        let last = null, n = 0;
        const step = now => {
          if (last !== null) times.push(now - last);
          last = now;
          n += 1;
          at('pointermove', 3 * n % 300, 2 * n % 150);
          if (n < 120) requestAnimationFrame(step);
          else { at('pointerup', 0, 0); done(times); }
        };
        requestAnimationFrame(step);
    """)
    line("dragging among 150 elements, median / longest frame",
         f"{statistics.median(frames):.1f} / {max(frames):.1f} ms", "17 / 33 ms")
    for what, figure, budget in (*hands.of_150(page), *hands.of_dialogue(page)):
        line(what, figure, budget)


def first_slides() -> None:
    for slides, most in ((39, "1.8 s, 150 kB"), (200, "2.2 s, 150 kB"), (800, "150 kB")):
        with tempfile.TemporaryDirectory() as folder:
            served, browser = Served(Path(folder), slides), chromium()
            try:
                watch(browser, slow=True)
                with served as address:
                    browser.get(address)
                    first = Page(browser, address).until(
                        lambda: browser.execute_script("return window.firstSlide"))  # noqa: B023
            finally:
                browser.quit()
        line(f"first of {slides} slides at 1.6 Mbit/s, 150 ms, a quarter of the speed",
             f"{first['at'] / 1000:.1f} s, {(served.page + sum(first['bytes'])) / 1000:.0f} kB",
             most)


def main() -> None:
    player_size()
    first_slides()
    packaging()
    quiz()
    growth()
    saved_progress()
    engines()
    trying()
    answer_table()
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder))
        server.manage("migrate", "--verbosity", "0")
        server.manage("demo")
        server.start()
        try:
            saving(server)
            committing(server)
            opening(server)
            rehearsing(server)
        finally:
            server.stop()


if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "zigzag_server.settings")
    sys.exit(main())
