"""A real server with data of its own, and a real browser."""

import pytest

from ..running import ROOT, Server
from .driver import Page, chromium


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
