"""How quickly the first slide of a package is there, from a server that compresses nothing."""

import threading
from functools import partial
from http.server import SimpleHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path

from selenium.webdriver import Chrome
from zigzag_core.packaging.incremental import compiled_whole
from zigzag_core.packaging.package import place_in_package
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_demo.generate import generated_course

from tests.core.packing import packaged

PLAYER = Path(__file__).parents[2] / "web" / "dist" / "player"

_WATCH = """
  new MutationObserver(() => {
    if (window.firstSlide || !document.querySelector("[data-slide] [data-element]")) return;
    const at = performance.now();
    const all = performance.getEntriesByType("resource");
    const loaded = all.filter((one) => one.responseEnd <= at);
    const bytes = loaded.map((one) => one.decodedBodySize);
    window.firstSlide = { at, bytes, names: loaded.map((one) => one.name) };
  }).observe(document, { childList: true, subtree: true });
"""


class _Quiet(SimpleHTTPRequestHandler):
    protocol_version = "HTTP/1.1"

    def log_message(self, *_: object) -> None:
        """Say nothing."""


class Served:
    """A generated course as a web package, unpacked into `folder` and served without compression.

    As a context it gives the address of its page.
    """

    def __init__(self, folder: Path, slides: int) -> None:
        document, media = generated_course(slides, slides // 2, 1)
        compiled = compiled_whole(document, place_in_package)
        player = {p.name: p.read_bytes() for p in PLAYER.iterdir()}
        for name, data in read_zip(packaged("web", compiled, player, media)).items():
            path = folder / name
            path.parent.mkdir(parents=True, exist_ok=True)
            path.write_bytes(data)
        self.page = (folder / "index.html").stat().st_size
        self._server = ThreadingHTTPServer(
            ("127.0.0.1", 0), partial(_Quiet, directory=str(folder)))

    def __enter__(self) -> str:
        threading.Thread(target=self._server.serve_forever, daemon=True).start()
        return f"http://127.0.0.1:{self._server.server_port}/index.html"

    def __exit__(self, *_: object) -> None:
        self._server.shutdown()
        self._server.server_close()


def watch(browser: Chrome, slow: bool = False) -> None:
    """Note when the first slide is there; `slow` is 1.6 Mbit/s, 150 ms, a quarter of the speed."""
    browser.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": _WATCH})
    browser.execute_cdp_cmd("Network.setCacheDisabled", {"cacheDisabled": True})
    if slow:
        browser.execute_cdp_cmd("Network.enable", {})
        browser.execute_cdp_cmd("Network.emulateNetworkConditions", {
            "offline": False, "latency": 150, "downloadThroughput": 200_000,
            "uploadThroughput": 90_000})
        browser.execute_cdp_cmd("Emulation.setCPUThrottlingRate", {"rate": 4})
