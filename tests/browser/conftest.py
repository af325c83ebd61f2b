"""A real server with data of its own, and a real browser."""

import os
import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path

import pytest

from .driver import Page, chromium

ROOT = Path(__file__).resolve().parents[2]


class Server:
    """Zigzag as a process of its own, which can be stopped and started again."""

    def __init__(self, data: Path) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.address = f"http://localhost:{self.port}"
        self.environment = {
            **os.environ, "ZIGZAG_DATA": str(data), "ZIGZAG_DEMO": "1",
            "ZIGZAG_APP_ORIGIN": self.address,
            "ZIGZAG_CONTENT_ORIGIN": f"http://127.0.0.1:{self.port}",
        }
        self.process: subprocess.Popen | None = None

    def manage(self, *arguments: str) -> str:
        done = subprocess.run(
            [sys.executable, "manage.py", *arguments], cwd=ROOT, env=self.environment, check=True,
            capture_output=True, text=True,
        )
        return done.stdout.strip()

    def start(self) -> None:
        self.process = subprocess.Popen(
            [sys.executable, "manage.py", "serve"], cwd=ROOT, env=self.environment,
            stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
        )
        until = time.monotonic() + 30
        while time.monotonic() < until:
            try:
                urllib.request.urlopen(f"{self.address}/api/session")
                return
            except OSError:
                time.sleep(0.05)
        raise RuntimeError("the server did not start")

    def stop(self) -> None:
        if self.process:
            self.process.kill()
            self.process.wait()
            self.process = None


@pytest.fixture(scope="session")
def server(tmp_path_factory):
    running = Server(tmp_path_factory.mktemp("data"))
    running.manage("migrate", "--verbosity", "0")
    running.manage("demo")
    running.start()
    yield running
    running.stop()


@pytest.fixture(scope="session")
def shared_browser(server):
    """One browser for all tests of a worker: the code of the pages stays compiled."""
    browser = chromium()
    yield browser
    browser.quit()


@pytest.fixture
def page(server, shared_browser):
    """A browser in which nothing is known of earlier tests: one window, of the usual size."""
    page = Page(shared_browser, server.address)
    page.forget()
    return page


@pytest.hookimpl(hookwrapper=True)
def pytest_runtest_makereport(item, call):
    """Keep a picture of what the browser showed when a test failed."""
    outcome = yield
    report = outcome.get_result()
    page = item.funcargs.get("page") if hasattr(item, "funcargs") else None
    if report.when == "call" and report.failed and page is not None:
        folder = ROOT / "build"
        folder.mkdir(exist_ok=True)
        name = "".join(c if c.isalnum() else "-" for c in item.name)
        page.browser.save_screenshot(str(folder / f"{name}.png"))
        log = page.browser.get_log("browser")
        (folder / f"{name}.log").write_text("\n".join(str(line) for line in log))
